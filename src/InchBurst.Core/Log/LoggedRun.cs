using InchBurst.Core.Plan;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;

namespace InchBurst.Core.Log;

/// <summary>How a time was taken. Times of different methods are never compared without saying so.</summary>
public enum TimingMethod
{
    /// <summary>Gates, pads or another electronic clock.</summary>
    Electronic,

    /// <summary>A stopwatch in a hand.</summary>
    Hand,
}

/// <summary>What starts the clock.</summary>
public enum StartTrigger
{
    /// <summary>The first gate.</summary>
    FirstGate,

    /// <summary>The athlete's hand or foot leaving the ground or a pad.</summary>
    FirstMove,

    /// <summary>A gun or a call, so that reaction is part of the time.</summary>
    Gun,

    /// <summary>The first mark: only the zone from there on is timed, and nothing is known of the start.</summary>
    ZoneLine,
}

/// <summary>How the times of a line are taken; set once for the line and shown while it is run.</summary>
/// <param name="Method">How it is timed.</param>
/// <param name="Trigger">What starts the clock.</param>
/// <param name="StartBehindGateMetres">Distance from the start line to the first gate in m, 0 to 5.</param>
/// <param name="Entry">How the times are typed.</param>
public sealed record LineTiming(TimingMethod Method, StartTrigger Trigger, double StartBehindGateMetres, EntryMode Entry = EntryMode.Cumulative);

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

    /// <summary>Marks in rising order; some of those planned may be missing.</summary>
    public required IReadOnlyList<LoggedMark> Marks { get; init; }

    /// <summary>True when nothing pulled or held the runner.</summary>
    public bool IsFree => Kind is not (WorkKind.Resisted or WorkKind.Assisted);

    /// <summary>Side of a one-sided start or turn; null when it has none.</summary>
    public Side? Side { get; init; }

    /// <summary>True when the clock ran from the start, so that times from the start are known.</summary>
    public bool HasStart => Trigger != StartTrigger.ZoneLine;

    /// <summary>Marks timed from the start as gate times in metres; none when only a zone was timed.</summary>
    public IReadOnlyList<GateTime> Gates => HasStart ? [.. Marks.Select(m => new GateTime(m.At.Metres, m.Seconds))] : [];

    /// <summary>Stretches between marks; the first begins at the start when that was timed.</summary>
    public IReadOnlyList<SplitSegment> Segments => HasStart
        ? Splits.Segments(Gates)
        : [.. Marks.Zip(Marks.Skip(1), (a, b) => new SplitSegment(a.At.Metres, b.At.Metres, b.Seconds - a.Seconds))];

    /// <summary>Fastest flying stretch of at least 5 m; null when hand-timed, assisted or without a flying stretch. Its mean speed is the run's top speed.</summary>
    public SplitSegment? FastestFlying
    {
        get
        {
            if (Method == TimingMethod.Hand || Kind == WorkKind.Assisted || Marks.Count < 2)
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

    /// <summary>What a fit may assume about this run's start.</summary>
    public FitAssumptions FitAssumptions => new(StartBehindGateMetres, Trigger == StartTrigger.Gun || Method == TimingMethod.Hand);
}

/// <summary>Hand times. Source: the rules of athletics (from memory); +0.24 s holds for 60 to 200 m, and is common practice for shorter sprints.</summary>
public static class HandTime
{
    /// <summary>Seconds to add before a hand time may be set beside an electronic one.</summary>
    public const double ToElectronicSeconds = 0.24;

    /// <summary>A hand time as the rules read it: up to the next tenth.</summary>
    /// <param name="seconds">Time on the watch in s, not negative.</param>
    public static double RoundedUp(double seconds) => Math.Ceiling(Math.Round(seconds * 10, 6)) / 10;

    /// <summary>The electronic time a hand time stands for, rounded up first.</summary>
    /// <param name="seconds">Time on the watch in s, not negative.</param>
    public static double AsElectronic(double seconds) => RoundedUp(seconds) + ToElectronicSeconds;

    /// <summary>True when a reaction is a false start: under 0.100 s (rules of athletics, from memory).</summary>
    /// <param name="reactionSeconds">Reaction in s.</param>
    public static bool IsFalseStart(double reactionSeconds) => reactionSeconds < 0.100;
}
