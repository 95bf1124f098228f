using InchBurst.Core.Demand;
using InchBurst.Core.Units;

namespace InchBurst.Core.Log;

/// <summary>A start as a signal and a pad tell of it, by the clock of the gates' report: no moment of another clock is good enough for a reaction.</summary>
/// <param name="GoMilliseconds">The go, ms; null where nothing heard it.</param>
/// <param name="MovedMilliseconds">The first movement, ms; null where nothing felt it.</param>
public sealed record GateStart(double? GoMilliseconds, double? MovedMilliseconds)
{
    // Longer after the go, or before it, is another start (own rule).
    private const double LongestReaction = 5;

    /// <summary>From the go to the first movement, s, below zero before it; null where one of them is not known, or both are of different starts.</summary>
    public double? ReactionSeconds => (MovedMilliseconds - GoMilliseconds) / 1000 is { } seconds && Math.Abs(seconds) <= LongestReaction ? Math.Round(seconds, 3) : null;

    /// <summary>True for a false start.</summary>
    public bool IsFalse => ReactionSeconds is { } seconds && HandTime.IsFalseStart(seconds);

    /// <summary>What it says of the start, in a coach's words; null where no reaction is known.</summary>
    public string? Says => ReactionSeconds is not { } seconds ? null
        : IsFalse ? $"False start: first movement {Figures.Exact(Math.Abs(seconds), 3)} s {(seconds < 0 ? "before" : "after")} GO."
        : $"Reaction {Figures.Exact(seconds, 3)} s.";

    // The first gate stands within a metre of the start: it sees the runner so soon after the go or the first movement, ms, and not before (own rule).
    private const double Soonest = -250;
    private const double Latest = 2500;

    /// <summary>What was told of the start of a lane. Where two starts are told for it, neither is known to be its own; one without a lane is only a lone lane's.</summary>
    /// <param name="told">Starts with their lanes, 0 where none is said.</param>
    /// <param name="lane">The lane.</param>
    /// <param name="isAlone">True where the report holds one lane.</param>
    public static GateStart? Of(IReadOnlyList<(int Lane, GateStart Start)> told, int lane, bool isAlone)
    {
        var own = told.Where(t => t.Lane == lane || (isAlone && t.Lane == 0)).Select(t => t.Start).Where(s => s.GoMilliseconds is not null || s.MovedMilliseconds is not null).Distinct().ToList();
        return own.Count == 1 ? own[0] : null;
    }

    /// <summary>True where the first gate saw somebody, but at no time that goes with the start that the clock is to begin at: one of the two is of another start.</summary>
    /// <param name="passes">Passes of one lane by one clock.</param>
    /// <param name="trigger">What starts the clock.</param>
    public bool Contradicts(IReadOnlyList<GatePass> passes, StartTrigger trigger) =>
        From(trigger) is { } moment && passes.Any(p => p.Gate == 0) && !passes.Any(p => p.Gate == 0 && p.Milliseconds - moment is >= Soonest and <= Latest);

    private double? From(StartTrigger trigger) => trigger == StartTrigger.Gun ? GoMilliseconds : trigger == StartTrigger.FirstMove ? MovedMilliseconds : null;

    /// <summary>The passes with the start that is asked for in place of the first gate: the go, or the first movement. Where the first gate starts the clock, or that moment is not known, they stay as they are.</summary>
    /// <param name="passes">Passes of one lane by one clock.</param>
    /// <param name="trigger">What starts the clock.</param>
    public IReadOnlyList<GatePass> Before(IReadOnlyList<GatePass> passes, StartTrigger trigger) =>
        From(trigger) is { } moment
            ? [new(0, moment), .. passes.Where(p => p.Gate > 0)]
            : passes;

    /// <summary>A run from the start that its line is timed from; what contradicts itself is not guessed at.</summary>
    /// <param name="start">What was told of the start; null where nothing was.</param>
    /// <param name="trigger">What starts the clock.</param>
    /// <param name="passes">Passes of one lane by one clock.</param>
    /// <param name="marks">Where times are expected.</param>
    /// <param name="gates">How many gates stand; 0 when the report does not say.</param>
    /// <param name="isSteady">False where the line itself changes its speed.</param>
    public static GateMarks Read(GateStart? start, StartTrigger trigger, IReadOnlyList<GatePass> passes, IReadOnlyList<Distance> marks, int gates, bool isSteady) =>
        start?.Contradicts(passes, trigger) == true
            ? new([], false, "The start that was told does not go with what the first gate saw, so there is no time.")
            : GateFeed.Read(start?.Before(passes, trigger) ?? passes, marks, gates, isSteady);
}
