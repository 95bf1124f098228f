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

    /// <summary>The passes with the start that is asked for in place of the first gate: the go, or the first movement. Where the first gate starts the clock, or that moment is not known, they stay as they are.</summary>
    /// <param name="passes">Passes of one lane by one clock.</param>
    /// <param name="trigger">What starts the clock.</param>
    public IReadOnlyList<GatePass> Before(IReadOnlyList<GatePass> passes, StartTrigger trigger) =>
        (trigger == StartTrigger.Gun ? GoMilliseconds : trigger == StartTrigger.FirstMove ? MovedMilliseconds : null) is { } moment
            ? [new(0, moment), .. passes.Where(p => p.Gate > 0)]
            : passes;
}
