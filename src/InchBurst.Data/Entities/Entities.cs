using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;
using Microsoft.AspNetCore.Identity;

namespace InchBurst.Data.Entities;

/// <summary>Roles of a club's users.</summary>
public static class Roles
{
    public const string Owner = "owner";
    public const string Coach = "coach";
    public const string Timer = "timer";
    public const string Viewer = "viewer";

    public static IReadOnlyList<string> All { get; } = [Owner, Coach, Timer, Viewer];
}

public sealed class AppUser : IdentityUser
{
    public string DisplayName { get; set; } = "";
}

/// <summary>The one club of this file.</summary>
public sealed class Club
{
    public int Id { get; set; }
    public string Name { get; set; } = "";
    public DistanceUnit DistanceUnit { get; set; }
    public MassReading MassUnit { get; set; }
    public SpeedReading SpeedUnit { get; set; }
    public bool IsDemo { get; set; }

    /// <summary>What timing gates show to be let in; empty while none are.</summary>
    public string GateToken { get; set; } = "";
}

public sealed class Squad
{
    public int Id { get; set; }
    public string Name { get; set; } = "";

    /// <summary>Name of the coaching school that judges this squad's sessions; empty means the usual one.</summary>
    public string School { get; set; } = "";
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

public enum Availability
{
    Full,
    Modified,
    Out,
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
    public PlayingGroup Group { get; set; }
    public StartStance Stance { get; set; }
    public FrontFoot FrontFoot { get; set; }
    public string Notes { get; set; } = "";
    public Availability Availability { get; set; }
    public string AvailabilityReason { get; set; } = "";
    public string AvailabilitySaidBy { get; set; } = "";
    public DateOnly? AvailabilitySince { get; set; }
    public DateTime? RetiredAt { get; set; }
}

public enum SessionState
{
    Planned,
    Running,
    Ended,
}

public sealed class TrainingSession
{
    public int Id { get; set; }
    public string Name { get; set; } = "";
    public DateOnly Day { get; set; }
    public int SquadId { get; set; }
    public Squad? Squad { get; set; }
    public int Lanes { get; set; } = 2;
    public int WindowMinutes { get; set; } = 45;
    public double StraightMetres { get; set; } = 60;
    public double RunOutMetres { get; set; } = 20;
    public string Cue { get; set; } = "";

    /// <summary>Name of the coaching school for this session; empty means the squad's.</summary>
    public string School { get; set; } = "";

    public string PlanJson { get; set; } = "";

    /// <summary>The plan as it was when the session was taken trackside.</summary>
    public string? RanPlanJson { get; set; }

    public SessionState State { get; set; }
    public DateTime? StartedAt { get; set; }
    public DateTime? EndedAt { get; set; }

    /// <summary>Line that is on now, and the athlete called to it; both kept so that every device shows the same place.</summary>
    public int? CurrentLineId { get; set; }

    public int? CalledAthleteId { get; set; }

    /// <summary>Round of the current line's block, from 1.</summary>
    public int CurrentRound { get; set; } = 1;

    /// <summary>When the current line was begun, for the forecast of work that is not timed.</summary>
    public DateTime? LineStartedAt { get; set; }

    /// <summary>How each line is timed, by line, as JSON; lines not in it take what was set last.</summary>
    public string LineTimingJson { get; set; } = "";

    public string Notes { get; set; } = "";

    public double StartBehindGateMetres { get; set; }
    public TimingMethod Method { get; set; }
    public StartTrigger Trigger { get; set; }
    public int Revision { get; set; }
    public DateTime? DeletedAt { get; set; }
    public List<Attendance> Attendance { get; } = [];

    /// <summary>Changes with every write, so that two editors cannot silently overwrite each other.</summary>
    public int Version { get; set; }
}

/// <summary>A version of a plan; undo and redo walk along these.</summary>
public sealed class PlanRevision
{
    public int Id { get; set; }
    public int SessionId { get; set; }
    public int Number { get; set; }
    public string PlanJson { get; set; } = "";

    /// <summary>Lanes of the session with this version, so that undoing "open another lane" closes it again.</summary>
    public int? Lanes { get; set; }

    public string What { get; set; } = "";
    public string By { get; set; } = "";
    public DateTime At { get; set; }
}

public sealed class Attendance
{
    public int SessionId { get; set; }
    public int AthleteId { get; set; }
    public Athlete? Athlete { get; set; }
    public bool Present { get; set; }
    public int Order { get; set; }

    /// <summary>Why the athlete stopped for today, or null while still going.</summary>
    public string? DoneReason { get; set; }

    /// <summary>What hurts, or null: keeps the athlete from full efforts until somebody says who allowed them again.</summary>
    public string? HeldReason { get; set; }

    /// <summary>Who allowed full efforts again after pain, in the words typed.</summary>
    public string AllowedBy { get; set; } = "";

    /// <summary>What the athlete does instead of the line in <see cref="OtherWorkLineId"/>, or null.</summary>
    public string? OtherWork { get; set; }

    public int? OtherWorkLineId { get; set; }

    /// <summary>Rating of perceived exertion, 0 to 10.</summary>
    public double? Rating { get; set; }

    public int? Minutes { get; set; }

    public string Note { get; set; } = "";
}

public enum RunOutcome
{
    Timed,
    Skipped,
    NotTimed,

    /// <summary>Run but not counted: the rep is run again.</summary>
    Again,

    /// <summary>Done and measured otherwise than by a clock at marks.</summary>
    Measured,
}

public sealed class Run
{
    public long Id { get; set; }

    /// <summary>Made by the device that logged it, so that sending twice stores once.</summary>
    public Guid ClientId { get; set; }

    public int SessionId { get; set; }
    public TrainingSession? Session { get; set; }
    public int AthleteId { get; set; }
    public Athlete? Athlete { get; set; }
    public int LineId { get; set; }
    public DateOnly Day { get; set; }
    public DateTime FinishedAt { get; set; }
    public RunOutcome Outcome { get; set; }
    public WorkKind Kind { get; set; }
    public double Effort { get; set; } = 100;
    public TimingMethod Method { get; set; }
    public StartTrigger Trigger { get; set; }
    public StartPosition? Start { get; set; }
    public double StartBehindGateMetres { get; set; }

    /// <summary>Mean speed of the fastest flying stretch in m/s, kept so that exposure needs no marks.</summary>
    public double? FlyingSpeed { get; set; }

    /// <summary>Which rep of the line it is for this athlete, from 1; 0 for a run that does not count.</summary>
    public int Rep { get; set; }

    public Side? Side { get; set; }

    /// <summary>Why a person must choose between readings of this rep, or null.</summary>
    public string? Conflict { get; set; }

    /// <summary>Which reading stands for the rep when somebody picked one: its number, "mean", or <see cref="Corrected"/> when its marks were typed anew; empty while nobody has.</summary>
    public string Picked { get; set; } = "";

    public const string Corrected = "corrected";

    public string LoggedBy { get; set; } = "";
    public DateTime? DeletedAt { get; set; }
    public List<Mark> Marks { get; } = [];
    public List<RunReading> Readings { get; } = [];

    /// <summary>Readings that say something and have not been taken back, in the order they came.</summary>
    public IReadOnlyList<RunReading> Told => [.. Readings.Where(r => r.DeletedAt is null && r.MarksJson != RunReading.NoMarks).OrderBy(r => r.Id)];

    public List<RunSeen> Seen { get; } = [];
    public List<RunMeasure> Measures { get; } = [];
}

/// <summary>One person's reading of a rep, kept when there is more than one.</summary>
public sealed class RunReading
{
    public int Id { get; set; }
    public long RunId { get; set; }

    /// <summary>Made by the device that sent it, so that sending twice stores once.</summary>
    public Guid ClientId { get; set; }

    public string By { get; set; } = "";
    public TimingMethod Method { get; set; }
    public StartTrigger Trigger { get; set; }
    public DateTime FinishedAt { get; set; }

    /// <summary>Marks as JSON.</summary>
    public string MarksJson { get; set; } = "";

    /// <summary>What <see cref="MarksJson"/> holds for "no time".</summary>
    public const string NoMarks = "[]";

    /// <summary>When whoever read it took it back, or null.</summary>
    public DateTime? DeletedAt { get; set; }
}

/// <summary>A run as timing gates reported it, until somebody saves or dismisses it.</summary>
public sealed class GateReading
{
    public int Id { get; set; }

    /// <summary>Made by the gates, so that reporting twice stores once.</summary>
    public Guid ClientId { get; set; }

    public int SessionId { get; set; }
    public DateTime At { get; set; }

    /// <summary>Lane the gates stand on, from 1; 0 when they do not say.</summary>
    public int Lane { get; set; }

    public string PassesJson { get; set; } = "";

    /// <summary>The run it became, or 0 when it was dismissed; null while it waits.</summary>
    public long? UsedFor { get; set; }
}

/// <summary>Something seen on a run: a known observation's code, or own words.</summary>
public sealed class RunSeen
{
    public long RunId { get; set; }
    public string Code { get; set; } = "";
}

/// <summary>A height, length, load or the like of a go.</summary>
public sealed class RunMeasure
{
    public long RunId { get; set; }
    public MeasureKind Kind { get; set; }
    public double Value { get; set; }
}

public sealed class Mark
{
    public long RunId { get; set; }
    public int Millimetres { get; set; }
    public double Amount { get; set; }
    public DistanceUnit Unit { get; set; }
    public double Seconds { get; set; }
}

/// <summary>What the marks of a run said before they were corrected.</summary>
public sealed class RunCorrection
{
    public int Id { get; set; }
    public long RunId { get; set; }
    public DateTime At { get; set; }
    public string By { get; set; } = "";
    public string OldMarks { get; set; } = "";
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
