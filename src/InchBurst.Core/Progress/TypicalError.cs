using InchBurst.Core.Demand;

namespace InchBurst.Core.Progress;

/// <summary>By how much a time differs from run to run when nothing has changed.</summary>
/// <param name="Seconds">Standard deviation of one run in s, above 0.</param>
/// <param name="Freedom">Degrees of freedom it stands on, at least 1.</param>
/// <param name="IsOwn">True when it was worked out from repeats; false when it is what is usual.</param>
public sealed record TypicalError(double Seconds, int Freedom, bool IsOwn)
{
    /// <summary>Fewest degrees of freedom from which repeats are believed (own rule).</summary>
    public const int FewestFreedom = 8;

    /// <summary>What is taken for usual: share of the time (common practice: about 0.8% from rep to rep over short sprints).</summary>
    public const double UsualShare = 0.008;

    // Times are read to a hundredth, so that equal ones still differ by the rounding: a uniform error of 10 ms has a standard deviation of 2.9 ms.
    private const double Rounding = 0.0029;
    private const int UsualFreedom = 30;

    /// <summary>
    /// From repeats: standard deviation of the differences between each run and the next of the same athlete and day, over the root of 2 (Hopkins 2000). What the whole squad
    /// gains or loses from one run to the next is no error and is taken out; pairs of several runs are taken together by their freedom.
    /// </summary>
    /// <param name="repeats">Times over one stretch in s, one list an athlete and day, in the order they were run.</param>
    /// <param name="method">How they were timed.</param>
    /// <param name="seconds">A usual time over the stretch in s, for what is usual where repeats are too few.</param>
    public static TypicalError Of(IEnumerable<IReadOnlyList<double>> repeats, TimingMethod method, double seconds)
    {
        var differences = repeats.SelectMany(day => day.Zip(day.Skip(1), (a, b) => b - a).Select((d, i) => (Pair: i, Seconds: d))).ToLookup(d => d.Pair, d => d.Seconds);
        var (squares, freedom) = (0.0, 0);
        foreach (var pair in differences)
        {
            var mean = pair.Average();
            squares += pair.Sum(d => (d - mean) * (d - mean));
            freedom += pair.Count() - 1;
        }

        return freedom >= FewestFreedom
            ? new(Math.Max(Rounding, Math.Sqrt(squares / freedom / 2)), freedom, true)
            : new(Math.Max(TimingError.Seconds(method), UsualShare * seconds), UsualFreedom, false);
    }
}
