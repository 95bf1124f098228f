using System.Text.Json.Serialization;
using InchBurst.Core.Log;
using InchBurst.Core.Units;

namespace InchBurst.Core.Plan;

/// <summary>What a stretch of a run is for.</summary>
public enum SegmentRole
{
    /// <summary>A plain run.</summary>
    Run,

    /// <summary>Building speed towards a zone.</summary>
    Build,

    /// <summary>A flying zone at top speed.</summary>
    Fly,

    /// <summary>Fast part of a fast-float-fast run.</summary>
    Fast,

    /// <summary>Relaxed part of a fast-float-fast run.</summary>
    Float,

    /// <summary>Slowing down.</summary>
    Slow,

    /// <summary>Shuttle leg outwards.</summary>
    Up,

    /// <summary>Shuttle leg back.</summary>
    Back,

    /// <summary>Jogging.</summary>
    Jog,

    /// <summary>Walking.</summary>
    Walk,

    /// <summary>A turn on the spot; its angle is kept, its length is 0.</summary>
    Turn,

    /// <summary>A cut at an angle; its length is 0.</summary>
    Cut,
}

/// <summary>Left or right.</summary>
public enum Side
{
    /// <summary>Left.</summary>
    Left,

    /// <summary>Right.</summary>
    Right,
}

/// <summary>One stretch of a run.</summary>
/// <param name="Length">How long; 0 for a turn or a cut, otherwise 0.5 to 1000 m.</param>
/// <param name="Role">What it is for.</param>
/// <param name="AngleDegrees">Angle of a turn or cut, 1 to 360; null otherwise.</param>
/// <param name="Side">Side of a turn or cut, if said.</param>
public sealed record RunSegment(Distance Length, SegmentRole Role, double? AngleDegrees = null, Side? Side = null);

/// <summary>The shape of one rep: a run made of segments, a time, or a count.</summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "is")]
[JsonDerivedType(typeof(RunShape), "run")]
[JsonDerivedType(typeof(TimedShape), "time")]
[JsonDerivedType(typeof(CountShape), "count")]
public abstract record RepShape;

/// <summary>A run of one or more segments.</summary>
/// <param name="Segments">At least one.</param>
public sealed record RunShape(IReadOnlyList<RunSegment> Segments) : RepShape
{
    /// <summary>All metres covered.</summary>
    [JsonIgnore]
    public double Metres => Segments.Sum(s => s.Length.Metres);

    /// <summary>Metres run with intent: without slowing down, walking and jogging.</summary>
    [JsonIgnore]
    public double SprintMetres => Segments.Where(s => IsSprint(s.Role)).Sum(s => s.Length.Metres);

    /// <summary>Where the flying zone lies in metres from the start; null when there is none.</summary>
    [JsonIgnore]
    public (double From, double To)? Fly
    {
        get
        {
            var at = 0.0;
            foreach (var s in Segments)
            {
                if (s.Role == SegmentRole.Fly)
                {
                    return (at, at + s.Length.Metres);
                }

                at += s.Length.Metres;
            }

            return null;
        }
    }

    /// <summary>True for roles run with intent.</summary>
    /// <param name="role">The role.</param>
    public static bool IsSprint(SegmentRole role) =>
        role is not (SegmentRole.Slow or SegmentRole.Walk or SegmentRole.Jog or SegmentRole.Turn or SegmentRole.Cut);
}

/// <summary>Work for a time.</summary>
/// <param name="Seconds">1 to 7200 s.</param>
public sealed record TimedShape(double Seconds) : RepShape;

/// <summary>Work counted in repetitions or passes.</summary>
/// <param name="Count">1 to 500.</param>
/// <param name="Passes">True when the count is passes of a course (mini-hurdles, a ladder).</param>
public sealed record CountShape(int Count, bool Passes = false) : RepShape;

/// <summary>How hard: one figure, a rising one within the rep, or one a rep.</summary>
/// <param name="Percents">One figure, two when <paramref name="Rising"/>, or one a rep; each 0 to 120% of full effort.</param>
/// <param name="Rising">True when effort rises within the rep from the first figure to the second.</param>
/// <param name="Word">The word it was written as (easy, steady, full), if any.</param>
public sealed record Effort(IReadOnlyList<double> Percents, bool Rising = false, string? Word = null)
{
    /// <summary>Effort of a rep in percent at its hardest.</summary>
    /// <param name="rep">Rep number from 0.</param>
    public double OfRep(int rep) => Rising ? Percents.Max() : Percents[Math.Min(rep, Percents.Count - 1)];

    /// <summary>The hardest effort of the line in percent.</summary>
    [JsonIgnore]
    public double Hardest => Percents.Max();
}

/// <summary>How a run begins.</summary>
public enum StartPosition
{
    /// <summary>Standing, split stance.</summary>
    Standing,

    /// <summary>Three-point.</summary>
    ThreePoint,

    /// <summary>Four-point.</summary>
    FourPoint,

    /// <summary>Starting blocks.</summary>
    Blocks,

    /// <summary>Falling start.</summary>
    Falling,

    /// <summary>Half-kneeling.</summary>
    HalfKneeling,

    /// <summary>Kneeling.</summary>
    Kneeling,

    /// <summary>Lying on the front.</summary>
    Prone,

    /// <summary>Side-on.</summary>
    Lateral,

    /// <summary>Already moving when the run begins.</summary>
    Moving,
}

/// <summary>A start, with its side and, for a moving start, its run-in.</summary>
/// <param name="Position">Position.</param>
/// <param name="Side">Front or leading side, if said.</param>
/// <param name="RunIn">Distance already moving before the start, for a moving start.</param>
public sealed record LineStart(StartPosition Position, Side? Side = null, Distance? RunIn = null);

/// <summary>Rest as written.</summary>
/// <param name="RepSeconds">Seconds between reps, 0 to 3600; null when it follows a rule.</param>
/// <param name="SetSeconds">Seconds between sets, 0 to 3600; null means as between reps.</param>
/// <param name="Per">With <paramref name="RepSeconds"/>: that many seconds for each such distance run.</param>
/// <param name="WalkBack">True when the walk back is the rest.</param>
public sealed record LineRest(double? RepSeconds = null, double? SetSeconds = null, Distance? Per = null, bool WalkBack = false);

/// <summary>What helps or hinders.</summary>
public enum LoadKind
{
    /// <summary>Sled pulled.</summary>
    Sled,

    /// <summary>Chain dragged.</summary>
    Chain,

    /// <summary>Parachute.</summary>
    Parachute,

    /// <summary>Band held back by a partner.</summary>
    Band,

    /// <summary>Weighted vest.</summary>
    Vest,

    /// <summary>Uphill.</summary>
    Uphill,

    /// <summary>Downhill.</summary>
    Downhill,

    /// <summary>Towed by a band or partner.</summary>
    Tow,

    /// <summary>Share of the most that can be lifted once.</summary>
    Lift,
}

/// <summary>What a load's amount counts.</summary>
public enum LoadUnit
{
    /// <summary>No amount said.</summary>
    None,

    /// <summary>Kilograms.</summary>
    Kilogram,

    /// <summary>Pounds.</summary>
    Pound,

    /// <summary>Percent of body mass.</summary>
    PercentBodyMass,

    /// <summary>Percent change of free speed (negative is slower).</summary>
    PercentSpeed,

    /// <summary>Percent grade of a slope.</summary>
    PercentGrade,

    /// <summary>Degrees of a slope.</summary>
    Degree,

    /// <summary>Percent of the one-repetition maximum.</summary>
    PercentMaximum,

    /// <summary>Light band.</summary>
    Light,

    /// <summary>Medium band.</summary>
    Medium,

    /// <summary>Heavy band.</summary>
    Heavy,
}

/// <summary>A load on a line.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Amount">How much, in <paramref name="Unit"/>; 0 where no amount is said.</param>
/// <param name="Unit">What the amount counts.</param>
public sealed record LineLoad(LoadKind Kind, double Amount, LoadUnit Unit);

/// <summary>One line of a session plan.</summary>
public sealed record PlanLine
{
    /// <summary>Number that stays with the line while the plan lives; 0 before it joins a plan.</summary>
    public int Id { get; init; }

    /// <summary>Kind of work.</summary>
    public required WorkKind Kind { get; init; }

    /// <summary>Name of the exercise as written; null for a plain run.</summary>
    public string? Exercise { get; init; }

    /// <summary>Sets, 1 to 20.</summary>
    public int Sets { get; init; } = 1;

    /// <summary>Reps a set, 1 to 100.</summary>
    public int Reps { get; init; } = 1;

    /// <summary>Shape of one rep.</summary>
    public required RepShape Shape { get; init; }

    /// <summary>Effort, or null for what is usual for the kind.</summary>
    public Effort? Effort { get; init; }

    /// <summary>Start, or null when not said.</summary>
    public LineStart? Start { get; init; }

    /// <summary>Rest, or null when not said.</summary>
    public LineRest? Rest { get; init; }

    /// <summary>Load, or null for free work.</summary>
    public LineLoad? Load { get; init; }

    /// <summary>Where gates stand, from the start line, rising; empty when not said.</summary>
    public IReadOnlyList<Distance> Gates { get; init; } = [];

    /// <summary>How far past the last mark to run through, or null.</summary>
    public Distance? Through { get; init; }

    /// <summary>True when each rep is done once on each side.</summary>
    public bool EachSide { get; init; }

    /// <summary>What is written down for each go besides what the gates say; empty when nothing is asked for.</summary>
    public IReadOnlyList<MeasureKind> Log { get; init; } = [];

    /// <summary>Whom the line is for: "high minutes", "low minutes", names, or "others": those the line before it is not for. Empty means everyone.</summary>
    public IReadOnlyList<string> For { get; init; } = [];

    /// <summary>What the athlete is told before the run, or null.</summary>
    public string? Cue { get; init; }

    /// <summary>Reps in all: sets times reps.</summary>
    [JsonIgnore]
    public int TotalReps => Sets * Reps;

    /// <summary>Turns of one athlete in one round: reps, twice where each side is done and counted.</summary>
    [JsonIgnore]
    public int Turns => TotalReps * (EachSide ? 2 : 1);

    /// <summary>What is asked for besides times at marks.</summary>
    [JsonIgnore]
    public IReadOnlyList<MeasureKind> AskedMeasures => [.. Log.Where(m => m != MeasureKind.Time)];

    /// <summary>Effort of the line at its hardest in percent, said or usual.</summary>
    [JsonIgnore]
    public double HardestEffort => Effort?.Hardest ?? Kind.UsualEffort();

    /// <summary>Effort asked of one turn in percent, said or usual. Rounds begin anew, and both sides of a rep share its effort.</summary>
    /// <param name="turn">Turn of the athlete, from 1; what lies below counts as the first.</param>
    public double EffortOfTurn(int turn) => Effort?.OfRep(Math.Max(0, (turn - 1) / (EachSide ? 2 : 1) % TotalReps)) ?? HardestEffort;

    /// <summary>Distances from the start line at which a time is expected: the gates, or else the ends of the fly, or the end of a sprint.</summary>
    [JsonIgnore]
    public IReadOnlyList<Distance> ExpectedMarks
    {
        get
        {
            if (Gates.Count > 0)
            {
                return Gates;
            }

            if (Shape is not RunShape run || !(Kind.IsSprint() || Kind == WorkKind.Turn || Log.Contains(MeasureKind.Time)))
            {
                return [];
            }

            if (run.Fly is { } fly)
            {
                var unit = run.Segments[0].Length.Unit;
                return [Distance.InMetres(fly.From).To(unit), Distance.InMetres(fly.To).To(unit)];
            }

            var end = Distance.InMetres(run.SprintMetres).To(run.Segments[0].Length.Unit);
            return end.Metres > 0 ? [end] : [];
        }
    }
}

/// <summary>A block: lines done as one part of the session, once or in rounds.</summary>
/// <param name="Id">Number that stays with the block while the plan lives.</param>
/// <param name="Title">What the coach calls it.</param>
/// <param name="Lines">At least one line.</param>
/// <param name="Rounds">How often the lines are gone through, 1 to 20.</param>
/// <param name="RoundRestSeconds">Rest between rounds in s, 0 to 3600, or null.</param>
/// <param name="Stations">True when the lines are stations: as many groups as lines, each at another one, moving on together.</param>
public sealed record PlanBlock(int Id, string Title, IReadOnlyList<PlanLine> Lines, int Rounds = 1, double? RoundRestSeconds = null, bool Stations = false);

/// <summary>A session plan: one document.</summary>
/// <param name="Version">Version of the document's form; 1 today.</param>
/// <param name="Blocks">Blocks in order.</param>
/// <param name="LastId">Largest number ever given to a block or a line of this plan.</param>
public sealed record SessionPlan(int Version, IReadOnlyList<PlanBlock> Blocks, int LastId)
{
    /// <summary>A plan with nothing in it.</summary>
    public static SessionPlan Empty { get; } = new(1, [], 0);

    /// <summary>All lines in order.</summary>
    [JsonIgnore]
    public IEnumerable<PlanLine> Lines => Blocks.SelectMany(b => b.Lines);

    /// <summary>The line with a number, or null.</summary>
    /// <param name="id">Its number.</param>
    public PlanLine? Line(int id) => Lines.FirstOrDefault(l => l.Id == id);

    /// <summary>The block that holds a line, or null.</summary>
    /// <param name="lineId">The line's number.</param>
    public PlanBlock? BlockOf(int lineId) => Blocks.FirstOrDefault(b => b.Lines.Any(l => l.Id == lineId));
}
