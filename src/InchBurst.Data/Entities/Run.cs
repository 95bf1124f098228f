using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Data.Entities;

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

    /// <summary>True when that distance was said.</summary>
    public bool StartSaid { get; set; }

    /// <summary>Run-in of a moving start in m.</summary>
    public double? RunInMetres { get; set; }

    /// <summary>Course as a key; empty in rows of an older program until they are filled.</summary>
    public string Course { get; set; } = "";

    /// <summary>Load as a key; empty when free.</summary>
    public string Load { get; set; } = "";

    public Surface Surface { get; set; }

    /// <summary>What was worn.</summary>
    public Shoes Shoes { get; set; }

    /// <summary>Wind along the run in m/s, a tailwind positive; null when nobody measured it.</summary>
    public double? Wind { get; set; }

    /// <summary>Height of the ground above the sea in m.</summary>
    public double? Altitude { get; set; }

    /// <summary>Time from the gun to the first movement in s.</summary>
    public double? Reaction { get; set; }

    /// <summary>True when shoes and wind were said of this run itself, so that what is said of the session leaves them.</summary>
    public bool HasOwnSetting { get; set; }

    /// <summary>Zone whose time matters most, in mm along the path; null when the time from the start does.</summary>
    public int? ZoneFrom { get; set; }

    public int? ZoneTo { get; set; }

    /// <summary>Mean speed of the fastest flying stretch in m/s, kept so that exposure needs no marks.</summary>
    public double? FlyingSpeed { get; set; }

    /// <summary>Speed at the end of a long run from rest without flying gates, in m/s, estimated from its time; null for all others.</summary>
    public double? EstimatedSpeed { get; set; }

    /// <summary>Which rep of the line it is for this athlete, from 1; 0 for a run that does not count.</summary>
    public int Rep { get; set; }

    public Side? Side { get; set; }

    /// <summary>Why a person must choose between readings of this rep, or null.</summary>
    public string? Conflict { get; set; }

    /// <summary>Which reading stands for the rep when somebody picked one: its number, "mean", or <see cref="Corrected"/> when its marks were typed anew; empty while nobody has.</summary>
    public string Picked { get; set; } = "";

    public string LoggedBy { get; set; } = "";
    public DateTime? DeletedAt { get; set; }
    public List<Mark> Marks { get; } = [];
    public List<RunReading> Readings { get; } = [];

    /// <summary>Readings that say something and have not been taken back, in the order they came.</summary>
    public IReadOnlyList<RunReading> Told => [.. Readings.Where(r => r.DeletedAt is null && r.MarksJson != RunReading.NoMarks).OrderBy(r => r.Id)];

    /// <summary>Its times over stretches, kept to be compared.</summary>
    public List<RunStretch> Stretches { get; } = [];

    public List<RunSeen> Seen { get; } = [];
    public List<RunMeasure> Measures { get; } = [];
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

/// <summary>A time of a run over a stretch with the key of its trial; equal keys compare, others never.</summary>
public sealed class RunStretch
{
    public long RunId { get; set; }
    public int AthleteId { get; set; }
    public string Key { get; set; } = "";
    public int FromMillimetres { get; set; }
    public int ToMillimetres { get; set; }
    public double Seconds { get; set; }
    public double Effort { get; set; }
    public DateOnly Day { get; set; }
    public DateTime FinishedAt { get; set; }

    /// <summary>Seconds to add for still air at sea level; null where the air is not known or did nothing.</summary>
    public double? Air { get; set; }

    /// <summary>Seconds to add for a measured reaction; null without.</summary>
    public double? Reaction { get; set; }
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
