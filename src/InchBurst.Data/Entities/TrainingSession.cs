using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Data.Entities;

public sealed class TrainingSession
{
    public int Id { get; set; }
    public string Name { get; set; } = "";
    public DateOnly Day { get; set; }

    /// <summary>When it begins, where somebody said it.</summary>
    public TimeOnly? Start { get; set; }

    /// <summary>Whom it is for: empty for the squad, the words of a playing group, or the name of a group of the coach's own.</summary>
    public string Group { get; set; } = "";

    /// <summary>True when no suggestion may move it.</summary>
    public bool IsPinned { get; set; }
    public int SquadId { get; set; }
    public Squad? Squad { get; set; }
    public int Lanes { get; set; } = 2;
    public int WindowMinutes { get; set; } = 45;
    public double StraightMetres { get; set; } = 60;
    public double RunOutMetres { get; set; } = 20;
    public Surface Surface { get; set; }

    /// <summary>What is worn.</summary>
    public Shoes Shoes { get; set; }

    /// <summary>Wind along the straight in m/s, a tailwind positive; null when nobody measured it.</summary>
    public double? Wind { get; set; }

    /// <summary>Height of the ground above the sea in m.</summary>
    public double? Altitude { get; set; }

    /// <summary>Kind of sled that is used; empty while nobody has said it.</summary>
    public string Sled { get; set; } = "";
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

    /// <summary>True when somebody said that distance.</summary>
    public bool StartSaid { get; set; }

    /// <summary>How its tests are run, as stored; empty when it is no day of tests.</summary>
    public string Testing { get; set; } = "";

    /// <summary>Least time between two goes in s; 0 sends all free lanes together.</summary>
    public double StartIntervalSeconds { get; set; }

    /// <summary>From one athlete's end to the next one's go in the same place, s.</summary>
    public double ChangeoverSeconds { get; set; } = ClockSetting.UsualChangeoverSeconds;

    /// <summary>How many of each limited kit there are, as JSON; empty when nothing was said.</summary>
    public string KitJson { get; set; } = "";

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

    /// <summary>Number that a page gave the change, so that one sent again is stored once; null where none was given.</summary>
    public string? ClientId { get; set; }
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

    /// <summary>How often pain was noted in this session, so that what was allowed before does not cover what came after.</summary>
    public int Holds { get; set; }

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
