using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Data.Entities;

/// <summary>The one club of this file.</summary>
public sealed class Club
{
    public int Id { get; set; }
    public string Name { get; set; } = "";
    public DistanceUnit DistanceUnit { get; set; }
    public MassReading MassUnit { get; set; }
    public SpeedReading SpeedUnit { get; set; }
    public bool IsDemo { get; set; }

    /// <summary>Sleds, plates and pull tests, as JSON; empty while nothing was said.</summary>
    public string LoadKitJson { get; set; } = "";

    /// <summary>Changes with every change of the kit.</summary>
    public int LoadKitVersion { get; set; }

    /// <summary>How many of the copies made every day are kept, 1 to 400.</summary>
    public int CopiesKept { get; set; } = 14;

    /// <summary>Second folder into which every copy is put too, such as one on another disk; empty for none.</summary>
    public string CopyFolder { get; set; } = "";

    /// <summary>What timing gates show to be let in; empty while none are.</summary>
    public string GateToken { get; set; } = "";
}

/// <summary>An exercise of the club's own, one that replaces a built-in of the same name, or a built-in that is hidden.</summary>
public sealed class ClubExercise
{
    public int Id { get; set; }
    public string Name { get; set; } = "";

    /// <summary>The exercise as JSON; null when this row only hides a built-in.</summary>
    public string? Json { get; set; }

    public bool Hidden { get; set; }
}

/// <summary>Something the club's coaches tap on a run besides what ships.</summary>
public sealed class ClubChip
{
    public int Id { get; set; }

    /// <summary>What it says; a run keeps these words.</summary>
    public string Words { get; set; } = "";

    /// <summary>Part of the run or exercise it is seen on.</summary>
    public InchBurst.Core.Catalogue.RunPhase Phase { get; set; }

    /// <summary>Names of the exercises that answer it, one a line.</summary>
    public string Drills { get; set; } = "";
}

/// <summary>A coaching school copied and changed by the club.</summary>
public sealed class ClubSchool
{
    public int Id { get; set; }
    public string Name { get; set; } = "";
    public string Json { get; set; } = "";
}

/// <summary>A plan kept to be used again.</summary>
public sealed class KeptPlan
{
    public int Id { get; set; }
    public string Name { get; set; } = "";
    public int WindowMinutes { get; set; }
    public string PlanJson { get; set; } = "";
    public string By { get; set; } = "";
    public DateTime At { get; set; }
    public DateTime? DeletedAt { get; set; }
}
