using InchBurst.Core.Plan;

namespace InchBurst.Data.Entities;

public sealed class Squad
{
    public int Id { get; set; }
    public string Name { get; set; } = "";

    /// <summary>Name of the coaching school that judges this squad's sessions; empty means the usual one.</summary>
    public string School { get; set; } = "";

    /// <summary>Last part of the private address under which calendars fetch the squad's season; empty while there is none.</summary>
    public string FeedKey { get; set; } = "";
    public DateTime? RetiredAt { get; set; }
    public List<Athlete> Athletes { get; } = [];
}

public enum AthleteSex
{
    NotSaid,
    Female,
    Male,
}

public enum PlayingGroup
{
    None,
    HighMinutes,
    LowMinutes,
}

public enum StartStance
{
    NotSaid,
    Standing,
    ThreePoint,
    FourPoint,
    Blocks,
}

public enum FrontFoot
{
    NotSaid,
    Left,
    Right,
}

public sealed class Athlete
{
    public int Id { get; set; }
    public int SquadId { get; set; }
    public Squad? Squad { get; set; }
    public string Name { get; set; } = "";
    public AthleteSex Sex { get; set; }
    public int? BirthYear { get; set; }
    public double? HeightMetres { get; set; }
    public double? MassKilograms { get; set; }
    public string Position { get; set; } = "";

    /// <summary>Playing group by the coach's word; none follows the minutes.</summary>
    public PlayingGroup Group { get; set; }

    /// <summary>Playing group by the minutes of the last matches; written whenever minutes change.</summary>
    public PlayingGroup GroupByMinutes { get; set; }

    /// <summary>Playing group that holds: the coach's word, else the minutes.</summary>
    public PlayingGroup Playing => Group == PlayingGroup.None ? GroupByMinutes : Group;
    public StartStance Stance { get; set; }
    public FrontFoot FrontFoot { get; set; }
    public string Notes { get; set; } = "";
    public Availability Availability { get; set; }
    public string AvailabilityReason { get; set; } = "";
    public string AvailabilitySaidBy { get; set; } = "";
    public DateOnly? AvailabilitySince { get; set; }

    /// <summary>Who answers for a young athlete and how to reach them, in the words typed; empty when nothing was said.</summary>
    public string Guardian { get; set; } = "";

    /// <summary>Day of the consent to keep this athlete's data; null while there is none.</summary>
    public DateOnly? ConsentOn { get; set; }
    public DateTime? RetiredAt { get; set; }
}
