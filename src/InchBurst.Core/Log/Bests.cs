using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Log;

/// <summary>A best time over a distance.</summary>
/// <param name="Over">Distance of the time.</param>
/// <param name="Flying">True when it is a flying time.</param>
/// <param name="Seconds">The time in s, as read from the clock.</param>
/// <param name="Run">The run it was made in.</param>
public sealed record BestTime(Distance Over, bool Flying, double Seconds, LoggedRun Run);

/// <summary>Finds bests, keeping apart what cannot be compared: hand from electronic, loaded from free, starts at different distances behind the gate.</summary>
public static class Bests
{
    /// <summary>Start distances within this many metres of each other count as the same start.</summary>
    public const double SameStartMetres = 0.05;

    /// <summary>Distances shown for every athlete, from a start.</summary>
    public static IReadOnlyList<Distance> Standard { get; } =
    [
        Distance.InMetres(5), Distance.InMetres(10), Distance.InMetres(20), Distance.InMetres(30), Distance.InMetres(40),
        new(10, DistanceUnit.Yard), new(40, DistanceUnit.Yard),
    ];

    /// <summary>Best time from the start over a distance among free runs of one method, or null.</summary>
    /// <param name="runs">The athlete's runs.</param>
    /// <param name="over">Distance.</param>
    /// <param name="method">Timing method.</param>
    /// <param name="startBehindGateMetres">Only runs with the start this far behind the first gate; null takes any.</param>
    public static BestTime? FromStart(IEnumerable<LoggedRun> runs, Distance over, TimingMethod method, double? startBehindGateMetres = null)
    {
        BestTime? best = null;
        foreach (var run in runs)
        {
            if (run.Method != method || !run.IsFree || !run.HasStart || run.Start == StartPosition.Moving
                || (startBehindGateMetres is { } f && Math.Abs(run.StartBehindGateMetres - f) > SameStartMetres))
            {
                continue;
            }

            foreach (var mark in run.Marks)
            {
                if (mark.At.Millimetres == over.Millimetres && !(best?.Seconds <= mark.Seconds))
                {
                    best = new(over, false, mark.Seconds, run);
                }
            }
        }

        return best;
    }

    /// <summary>Best flying time over a length among free runs of one method, or null. The zone must begin at least 10 m from the start.</summary>
    /// <param name="runs">The athlete's runs.</param>
    /// <param name="length">Length of the flying zone.</param>
    /// <param name="method">Timing method.</param>
    public static BestTime? Flying(IEnumerable<LoggedRun> runs, Distance length, TimingMethod method)
    {
        BestTime? best = null;
        foreach (var run in runs)
        {
            if (run.Method == method && run.IsFree && FlyingTime(run, length) is { } seconds && !(best?.Seconds <= seconds))
            {
                best = new(length, true, seconds, run);
            }
        }

        return best;
    }

    /// <summary>Fastest flying time of one run over a length, or null.</summary>
    /// <param name="run">The run.</param>
    /// <param name="length">Length of the flying zone.</param>
    public static double? FlyingTime(LoggedRun run, Distance length)
    {
        double? best = null;
        for (var i = 0; i < run.Marks.Count; i++)
        {
            for (var j = i + 1; j < run.Marks.Count; j++)
            {
                if (run.Marks[i].At.Metres >= 10 && run.Marks[j].At.Millimetres - run.Marks[i].At.Millimetres == length.Millimetres)
                {
                    var seconds = run.Marks[j].Seconds - run.Marks[i].Seconds;
                    best = best is { } b ? Math.Min(b, seconds) : seconds;
                }
            }
        }

        return best;
    }
}
