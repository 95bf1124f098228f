using System.Text.Json.Serialization;
using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;

namespace InchBurst.Core.Log;

/// <summary>How the times of a line are taken; set once for the line and shown while it is run.</summary>
/// <param name="Method">How it is timed.</param>
/// <param name="Trigger">What starts the clock.</param>
/// <param name="StartBehindGateMetres">Distance from the start line to the first gate in m, 0 to 5.</param>
/// <param name="Entry">How the times are typed.</param>
/// <param name="StartSaid">True when somebody said that distance; while nobody has, it is taken for 0 and curves have to find it.</param>
public sealed record LineTiming(TimingMethod Method, StartTrigger Trigger, double StartBehindGateMetres, EntryMode Entry = EntryMode.Cumulative, bool StartSaid = false)
{
    /// <summary>What is run on: the whole session's.</summary>
    public Surface Surface { get; init; }

    /// <summary>What is worn and the air: the whole session's.</summary>
    public RunSetting Setting { get; init; } = RunSetting.None;

    /// <summary>The same way of timing with what is the whole session's.</summary>
    /// <param name="session">How the session is timed.</param>
    public LineTiming In(LineTiming session) => this with { Surface = session.Surface, Setting = session.Setting };

    /// <summary>True when a curve would need the distance from the start line to the first gate, and nobody has said it.</summary>
    public bool AsksForStart => !StartSaid && Trigger == StartTrigger.FirstGate && Method == TimingMethod.Electronic && Entry != EntryMode.ZoneOnly;
}

/// <summary>A cumulative time at a mark, as logged.</summary>
/// <param name="At">Distance from the first gate.</param>
/// <param name="Seconds">Clock time in s, above 0; 0 at the first mark of a run that is timed from its zone only.</param>
public readonly record struct LoggedMark(Distance At, double Seconds);

/// <summary>A run as it was logged.</summary>
public sealed record LoggedRun
{
    /// <summary>Number of the run.</summary>
    public long Id { get; init; }

    /// <summary>Day it was run.</summary>
    public required DateOnly Day { get; init; }

    /// <summary>Kind of work.</summary>
    public required WorkKind Kind { get; init; }

    /// <summary>Effort asked for in percent.</summary>
    public double Effort { get; init; } = 100;

    /// <summary>How it was timed.</summary>
    public TimingMethod Method { get; init; }

    /// <summary>What started the clock.</summary>
    public StartTrigger Trigger { get; init; }

    /// <summary>Start position, if known.</summary>
    public StartPosition? Start { get; init; }

    /// <summary>Distance from the start line to the first gate in m, 0 to 5.</summary>
    public double StartBehindGateMetres { get; init; }

    /// <summary>True when that distance was said; false leaves it for a fit to find.</summary>
    public bool StartSaid { get; init; } = true;

    /// <summary>Run-in of a moving start in m, if said.</summary>
    public double? RunInMetres { get; init; }

    /// <summary>Course as a key (<see cref="Trial.CourseKey"/>).</summary>
    public string Course { get; init; } = Trial.Straight;

    /// <summary>Load as a key (<see cref="Trial.LoadKey"/>); empty when free.</summary>
    public string Load { get; init; } = "";

    /// <summary>What it was run on.</summary>
    public Surface Surface { get; init; }

    /// <summary>What was worn and the air.</summary>
    public RunSetting Setting { get; init; } = RunSetting.None;

    /// <summary>Time from the gun to the first movement in s, 0 to 2; null when nobody measured it.</summary>
    public double? ReactionSeconds { get; init; }

    /// <summary>Zone whose time matters most, in mm along the path; null when the time from the start does.</summary>
    public (int From, int To)? Zone { get; init; }

    /// <summary>Marks in rising order; some of those planned may be missing.</summary>
    public required IReadOnlyList<LoggedMark> Marks { get; init; }

    /// <summary>Conditions under which it compares.</summary>
    public Trial Trial => new(Course, Start, RunInMetres, Trigger, StartBehindGateMetres, Method, Load, Side) { Surface = Surface, Shoes = Setting.Shoes };

    /// <summary>True when nothing helped or held the runner.</summary>
    public bool IsFree => Load.Length == 0;

    /// <summary>Side of a one-sided start or turn; null when it has none.</summary>
    public Side? Side { get; init; }

    /// <summary>True when the clock ran from the start, so that times from the start are known.</summary>
    public bool HasStart => Trigger != StartTrigger.ZoneLine;

    /// <summary>Marks timed from the start as gate times in metres; none when only a zone was timed.</summary>
    [JsonIgnore]
    public IReadOnlyList<GateTime> Gates => HasStart ? [.. Marks.Select(m => new GateTime(m.At.Metres, m.Seconds))] : [];

    /// <summary>A stretch in words, in the unit its marks were written in: "10–20 yd".</summary>
    /// <param name="segment">A stretch of the run.</param>
    public string Says(SplitSegment segment)
    {
        var unit = Marks.Count == 0 ? DistanceUnit.Metre : Marks[^1].At.Unit;
        string In(double metres) => Figures.Number(Distance.InMetres(metres).To(unit).Amount, 1);
        return $"{In(segment.FromMetres)}–{In(segment.ToMetres)} {Distance.SymbolOf(unit)}";
    }

    /// <summary>Stretches between marks; the first begins at the start when that was timed.</summary>
    [JsonIgnore]
    public IReadOnlyList<SplitSegment> Segments => HasStart
        ? Splits.Segments(Gates)
        : [.. Marks.Zip(Marks.Skip(1), (a, b) => new SplitSegment(a.At.Metres, b.At.Metres, b.Seconds - a.Seconds))];

    /// <summary>Fastest flying stretch of at least 5 m straight on; null when hand-timed, helped or without a flying stretch. Its mean speed is the run's top speed.</summary>
    public SplitSegment? FastestFlying
    {
        get
        {
            if (Method == TimingMethod.Hand || Trial.IsAssisted || !Trial.IsStraight || Marks.Count < 2)
            {
                return null;
            }

            SplitSegment? best = null;
            foreach (var segment in Segments)
            {
                if (segment.IsFlying && segment.FromMetres >= 5 && segment.Metres >= 4.5 && !(best?.MeanSpeed >= segment.MeanSpeed))
                {
                    best = segment;
                }
            }

            return best;
        }
    }

    /// <summary>True when its curve is the athlete's own: free, straight on, from rest, its start known.</summary>
    public bool ShowsOwnCurve => IsFree && Trial is { IsStraight: true, IsFromRest: true };

    /// <summary>The curve of this run alone, or why there is none. A measured reaction is taken out of the times first, so that it need not be found.</summary>
    public FitOutcome Fit() => SprintFit.Fit(KnowsReaction ? [.. Gates.Select(g => g with { Seconds = g.Seconds - ReactionSeconds!.Value })] : Gates, FitAssumptions);

    private bool KnowsReaction => Trigger == StartTrigger.Gun && ReactionSeconds is not null && Method != TimingMethod.Hand;

    /// <summary>What a fit may assume about this run's start.</summary>
    public FitAssumptions FitAssumptions => new(
        StartSaid || Trigger != StartTrigger.FirstGate ? StartBehindGateMetres : null,
        (Trigger == StartTrigger.Gun && !KnowsReaction) || Method == TimingMethod.Hand,
        Trigger is StartTrigger.FirstMove or StartTrigger.Gun || Method == TimingMethod.Hand);
}
