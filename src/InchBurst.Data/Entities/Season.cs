using InchBurst.Core.Season;
using InchBurst.Core.Units;

namespace InchBurst.Data.Entities;

/// <summary>Where a squad trains.</summary>
public sealed class Place
{
    public int Id { get; set; }
    public string Name { get; set; } = "";
    public int Lanes { get; set; } = 2;
    public double StraightMetres { get; set; } = 60;
    public double RunOutMetres { get; set; } = 20;
    public Surface Surface { get; set; }
    public DateTime? RetiredAt { get; set; }
}

/// <summary>A time every week in which a squad can train.</summary>
public sealed class Slot
{
    public int Id { get; set; }
    public int SquadId { get; set; }
    public int PlaceId { get; set; }
    public Place? Place { get; set; }
    public DayOfWeek Weekday { get; set; }
    public TimeOnly Start { get; set; }
    public int Minutes { get; set; } = 60;
    public DateTime? RetiredAt { get; set; }
}

/// <summary>Something in a squad's calendar: a match, a camp, exams, days off.</summary>
public sealed class CalendarEntry
{
    public int Id { get; set; }
    public int SquadId { get; set; }
    public EntryKind Kind { get; set; }
    public string Title { get; set; } = "";
    public DateOnly Day { get; set; }

    /// <summary>Last day; the same for what lasts a day.</summary>
    public DateOnly LastDay { get; set; }

    public TimeOnly? Start { get; set; }

    /// <summary>1 friendly, 2 usual, 3 one that decides.</summary>
    public int Importance { get; set; } = 2;

    public bool IsAway { get; set; }

    /// <summary>Time on the way there, minutes.</summary>
    public int? TravelMinutes { get; set; }

    public string Where { get; set; } = "";

    /// <summary>The event's own name in the calendar file it was read from; empty for what was typed.</summary>
    public string Uid { get; set; } = "";

    /// <summary>Which of a repeated event it is, as its planned start in UTC; empty for one that is not repeated.</summary>
    public string Occurrence { get; set; } = "";

    public DateTime? DeletedAt { get; set; }
    public int Version { get; set; }
    public List<PlayedMinutes> Minutes { get; } = [];
}

/// <summary>What an athlete played in a match.</summary>
public sealed class PlayedMinutes
{
    public int EntryId { get; set; }
    public CalendarEntry? Entry { get; set; }
    public int AthleteId { get; set; }
    public int Minutes { get; set; }

    /// <summary>True when the coach says that the athlete sprinted at top speed in it.</summary>
    public bool CountsAsTopSpeed { get; set; }
}

/// <summary>A group of the coach's own, such as those who travel.</summary>
public sealed class OwnGroup
{
    public int Id { get; set; }
    public int SquadId { get; set; }
    public string Name { get; set; } = "";
    public List<Athlete> Athletes { get; } = [];
}

/// <summary>A change of the week that can be taken back.</summary>
public sealed class WeekStep
{
    public int Id { get; set; }
    public int SquadId { get; set; }
    public string What { get; set; } = "";

    /// <summary>What it changed, as JSON.</summary>
    public string ChangesJson { get; set; } = "";

    public string By { get; set; } = "";
    public DateTime At { get; set; }
    public DateTime? UndoneAt { get; set; }
}

/// <summary>A part of a season with an aim.</summary>
public sealed class SeasonPhase
{
    public int Id { get; set; }
    public int SquadId { get; set; }
    public string Name { get; set; } = "";
    public string Aim { get; set; } = "";
    public DateOnly From { get; set; }
    public DateOnly To { get; set; }

    /// <summary>Sprint metres a week in its first week, m.</summary>
    public double MetresFirst { get; set; }

    /// <summary>Sprint metres a week in its last week, m.</summary>
    public double MetresLast { get; set; }

    /// <summary>Slowing by the sled in its first week, percent; 0 for none.</summary>
    public double LoadFirst { get; set; }

    /// <summary>Slowing by the sled in its last week, percent.</summary>
    public double LoadLast { get; set; }

    /// <summary>Room to stop in its first week, m; 0 when it is no matter.</summary>
    public double StopFirst { get; set; }

    /// <summary>Room to stop in its last week, m.</summary>
    public double StopLast { get; set; }

    /// <summary>Drills from its first week to its last, one a line.</summary>
    public string Drills { get; set; } = "";
    public int Version { get; set; }
    public DateTime? DeletedAt { get; set; }
}

/// <summary>An exercise of which a squad's coach watches how often it is done.</summary>
public sealed class OftenWish
{
    public int Id { get; set; }
    public int SquadId { get; set; }
    public string Exercise { get; set; } = "";

    /// <summary>Fewest days a week wished, or null.</summary>
    public double? Least { get; set; }

    /// <summary>Most days a week wished, or null.</summary>
    public double? Most { get; set; }
}

/// <summary>A maximum of an athlete on a lift as it was tested, or the hardest set it is reckoned from.</summary>
public sealed class LiftTest
{
    public int Id { get; set; }
    public int AthleteId { get; set; }
    public Athlete? Athlete { get; set; }
    public string Exercise { get; set; } = "";
    public double Kilograms { get; set; }
    public int Reps { get; set; } = 1;
    public DateOnly Day { get; set; }
    public string By { get; set; } = "";
    public DateTime? DeletedAt { get; set; }
}

/// <summary>An athlete's aerobic speed as a test gave it.</summary>
public sealed class AerobicTest
{
    public int Id { get; set; }
    public int AthleteId { get; set; }
    public Athlete? Athlete { get; set; }

    /// <summary>Time of the shuttle test, s.</summary>
    public double Seconds { get; set; }
    public DateOnly Day { get; set; }
    public string By { get; set; } = "";
    public DateTime? DeletedAt { get; set; }
}
