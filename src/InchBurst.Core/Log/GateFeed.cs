using InchBurst.Core.Units;

namespace InchBurst.Core.Log;

/// <summary>A body passing a gate, by the gates' own clock.</summary>
/// <param name="Gate">Number of the gate along the lane, from 0 at the start; rising.</param>
/// <param name="Milliseconds">Clock of the gates in ms; its zero does not matter.</param>
public readonly record struct GatePass(int Gate, double Milliseconds);

/// <summary>What a run through the gates gives for the marks of a line.</summary>
/// <param name="Seconds">Clock time at each mark in s; null where no gate saw the runner.</param>
/// <param name="ZoneOnly">True when the first mark started the clock.</param>
/// <param name="Problem">Why nothing can be made of it, in a coach's words; null when it can.</param>
public sealed record GateMarks(IReadOnlyList<double?> Seconds, bool ZoneOnly, string? Problem);

/// <summary>The open gate feed: passes in, times at marks out (docs/formats.md).</summary>
public static class GateFeed
{
    /// <summary>Most passes of one run that are taken.</summary>
    public const int MostPasses = 40;

    /// <summary>Turns passes into clock times at the marks a line expects. One gate more than marks means that the first one is the start; as many gates as marks, that the first mark starts the clock.</summary>
    /// <param name="passes">Passes in any order; a gate that saw two passes (an arm, then the trunk) counts by its first.</param>
    /// <param name="marks">Where times are expected, rising, at least one.</param>
    public static GateMarks Read(IReadOnlyList<GatePass> passes, IReadOnlyList<Distance> marks)
    {
        var firsts = passes.GroupBy(p => p.Gate).OrderBy(g => g.Key).Select(g => (Gate: g.Key, At: g.Min(p => p.Milliseconds))).ToList();
        if (marks.Count == 0)
        {
            return new([], false, "This line expects no times.");
        }

        if (firsts.Count < 2)
        {
            return new([], false, "Only one gate saw the runner, so there is no time.");
        }

        if (firsts.Zip(firsts.Skip(1)).Any(p => p.Second.At <= p.First.At))
        {
            return new([], false, "The gates saw the runner in another order than they stand.");
        }

        // A gate may miss a runner: its number then is missing, not its place.
        var most = firsts[^1].Gate + 1;
        if (firsts[0].Gate == 0 && most == marks.Count + 1)
        {
            return new([.. marks.Select((_, i) => Time(firsts, i + 1))], false, null);
        }

        if (firsts[0].Gate == 0 && most == marks.Count)
        {
            return new([.. marks.Select((_, i) => i == 0 ? 0 : Time(firsts, i))], true, null);
        }

        return new([], false, firsts[0].Gate > 0 ? "The first gate missed the start of this run." : $"{most} gates reported, and this line expects {marks.Count} {(marks.Count == 1 ? "mark" : "marks")} after the start.");
    }

    private static double? Time(List<(int Gate, double At)> firsts, int gate) =>
        firsts.FindIndex(f => f.Gate == gate) is >= 0 and var i ? Math.Round((firsts[i].At - firsts[0].At) / 1000, 3) : null;
}
