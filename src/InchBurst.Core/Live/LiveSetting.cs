using InchBurst.Core.Catalogue;
using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Load;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.School;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;

namespace InchBurst.Core.Live;

/// <summary>Best time of an athlete over a stretch within a trial.</summary>
/// <param name="Key">Key of the trial.</param>
/// <param name="From">Where it begins, mm; 0 for the start.</param>
/// <param name="To">Where it ends, mm.</param>
/// <param name="Seconds">The time, s.</param>
public readonly record struct KnownBest(string Key, int From, int To, double Seconds);

/// <summary>Best of an athlete in something that is measured; of lifts the estimated maximum.</summary>
/// <param name="Exercise">Name of the exercise.</param>
/// <param name="Kind">What is measured.</param>
/// <param name="Value">The best before the session, in the unit the measure is kept in.</param>
public readonly record struct KnownMeasure(string Exercise, MeasureKind Kind, double Value);

/// <summary>What an athlete took for stretches of a line in the latest runs of its trial.</summary>
/// <param name="Line">Number of the line.</param>
/// <param name="Side">Side run to, if any.</param>
/// <param name="Ranges">The ranges.</param>
public sealed record KnownRanges(int Line, Side? Side, IReadOnlyList<StretchRange> Ranges);

/// <summary>An athlete as the club's book knows them.</summary>
/// <param name="Id">Number.</param>
/// <param name="Name">Name.</param>
public sealed record LiveAthlete(int Id, string Name)
{
    /// <summary>Playing group in the words a line is for, or null.</summary>
    public string? Group { get; init; }

    /// <summary>Groups of the coach's own that the athlete is in.</summary>
    public IReadOnlyList<string> OwnGroups { get; init; } = [];

    /// <summary>Every group the athlete is in, by the words a line is for.</summary>
    [System.Text.Json.Serialization.JsonIgnore]
    public IReadOnlyCollection<string> Groups => Group is null ? OwnGroups : [Group, .. OwnGroups];

    /// <summary>Whether in full training.</summary>
    public Availability Availability { get; init; }

    /// <summary>Why not; may be empty.</summary>
    public string AvailabilityReason { get; init; } = "";

    /// <summary>Who said so; may be empty.</summary>
    public string AvailabilitySaidBy { get; init; } = "";

    /// <summary>Own curve, or null.</summary>
    public SprintCurve? Curve { get; init; }

    /// <summary>Body mass in kg, or null.</summary>
    public double? MassKilograms { get; init; }

    /// <summary>Aerobic speed by the latest test in m/s, or null.</summary>
    public double? AerobicSpeed { get; init; }

    /// <summary>Load line on the session's floor, or null.</summary>
    public LoadLine? Line { get; init; }

    /// <summary>Best flying speed in m/s, or null.</summary>
    public double? BestSpeed { get; init; }

    /// <summary>How often each thing was noted of the athlete in the months before, by code.</summary>
    public IReadOnlyDictionary<string, int> Seen { get; init; } = new Dictionary<string, int>();

    /// <summary>True under 16 in the year of the session.</summary>
    public bool IsYoung { get; init; }

    /// <summary>Latest reactions before this session, s, newest first.</summary>
    public IReadOnlyList<double> Reactions { get; init; } = [];

    /// <summary>Best times over the stretches of the session's lines, before this session.</summary>
    public IReadOnlyList<KnownBest> Bests { get; init; } = [];

    /// <summary>Bests in what the session's lines measure, before this session.</summary>
    public IReadOnlyList<KnownMeasure> Measured { get; init; } = [];

    /// <summary>Ranges over the stretches of the session's lines.</summary>
    public IReadOnlyList<KnownRanges> Ranges { get; init; } = [];
}

/// <summary>What a session is held in and with, which no command changes.</summary>
public sealed record LiveSetting
{
    /// <summary>The squad.</summary>
    public IReadOnlyList<LiveAthlete> Athletes { get; init; } = [];

    /// <summary>Curve of a typical athlete of the squad.</summary>
    public required SprintCurve Pace { get; init; }

    /// <summary>The coaching school that holds.</summary>
    public required CoachingSchool School { get; init; }

    /// <summary>Known exercises.</summary>
    [System.Text.Json.Serialization.JsonIgnore]
    public ExerciseCatalogue Catalogue
    {
        get => catalogue ?? ExerciseCatalogue.BuiltIn;
        init => catalogue = value;
    }

    private readonly ExerciseCatalogue? catalogue;

    /// <summary>Time available, s.</summary>
    public double WindowSeconds { get; init; }

    /// <summary>Least time between two goes, s.</summary>
    public double StartIntervalSeconds { get; init; }

    /// <summary>From one athlete's end to the next one's go, s.</summary>
    public double ChangeoverSeconds { get; init; }

    /// <summary>How many of each limited kit there are.</summary>
    public IReadOnlyDictionary<LimitedKit, int> Kit { get; init; } = new Dictionary<LimitedKit, int>();

    /// <summary>Friction of sleds on the session's floor; the table's for one nobody has said where null.</summary>
    public Friction? Friction { get; init; }

    /// <summary>The sled with its plates; null where the club has said none.</summary>
    public SledKit? Sled { get; init; }

    /// <summary>Unit of lengths.</summary>
    public DistanceUnit DistanceUnit { get; init; }

    /// <summary>Unit of masses.</summary>
    public MassReading MassUnit { get; init; }

    /// <summary>Unit of speeds.</summary>
    public SpeedReading SpeedUnit { get; init; }

    /// <summary>How often the squad was told each thing, by code.</summary>
    [System.Text.Json.Serialization.JsonIgnore]
    public IReadOnlyDictionary<string, int> Used => Athletes.SelectMany(a => a.Seen).GroupBy(s => s.Key).ToDictionary(g => g.Key, g => g.Sum(s => s.Value));

    /// <summary>An athlete of the squad; one nobody knows is in full training.</summary>
    /// <param name="person">The person.</param>
    public LiveAthlete Athlete(LivePerson person) => Athletes.FirstOrDefault(a => a.Id == person.AthleteId) ?? new(person.AthleteId, person.Name);

    /// <summary>True when a line is for somebody.</summary>
    /// <param name="state">The session.</param>
    /// <param name="line">The line.</param>
    /// <param name="person">The person.</param>
    public bool IsFor(LiveState state, PlanLine line, LivePerson person) => state.Plan.Covers(line, person.Name, Athlete(person).Groups);

    /// <summary>The setting of the session's clock: for those who are here, or before anybody is, for those expected.</summary>
    /// <param name="state">The session.</param>
    public ClockSetting Clock(LiveState state)
    {
        var here = state.People.Where(p => p.Present).ToList();
        here = here.Count > 0 ? here : [.. Athletes.Where(a => a.Availability != Availability.Out).Select((a, i) => new LivePerson(a.Id, a.Name, i))];
        return new(Math.Max(1, here.Count), state.Lanes, Pace, Catalogue, StartIntervalSeconds, line => Math.Max(1, here.Count(p => IsFor(state, line, p))), School)
        {
            ChangeoverSeconds = ChangeoverSeconds,
            Kit = Kit,
            Apart = (first, second) => !here.Any(p => IsFor(state, first, p) && IsFor(state, second, p)),
        };
    }
}
