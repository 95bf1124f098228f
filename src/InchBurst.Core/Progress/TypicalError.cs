using InchBurst.Core.Demand;
using InchBurst.Core.Units;

namespace InchBurst.Core.Progress;

/// <summary>By how much a figure differs from attempt to attempt when nothing has changed.</summary>
/// <param name="Size">Standard deviation of one attempt, in the unit of the figures, above 0.</param>
/// <param name="Freedom">Degrees of freedom it stands on, at least 1.</param>
/// <param name="IsOwn">True when it was worked out from repeats; false when it is what is usual.</param>
public sealed record TypicalError(double Size, int Freedom, bool IsOwn)
{
    /// <summary>Fewest degrees of freedom from which repeats are believed (own rule).</summary>
    public const int FewestFreedom = 8;

    /// <summary>What is taken for usual: share of the time (common practice: about 0.8% from rep to rep over short sprints).</summary>
    public const double UsualShare = 0.008;

    // Times are read to a hundredth.
    private const double Hundredth = 0.01;
    private const int UsualFreedom = 30;

    /// <summary>Error of reading to a step: equal figures still differ by it, evenly, which has a standard deviation of step / sqrt 12.</summary>
    /// <param name="step">The step, above 0.</param>
    public static double Rounding(double step) => step / Math.Sqrt(12);

    /// <summary>Of times.</summary>
    /// <param name="repeats">Times over one stretch in s, one list an athlete and day, in the order they were run.</param>
    /// <param name="method">How they were timed.</param>
    /// <param name="seconds">A usual time over the stretch in s, for what is usual where repeats are too few.</param>
    public static TypicalError Of(IEnumerable<IReadOnlyList<double>> repeats, TimingMethod method, double seconds) => Of(repeats, Math.Max(TimingError.Seconds(method), UsualShare * seconds), Hundredth);

    /// <summary>Of what is measured otherwise.</summary>
    /// <param name="repeats">Figures of one exercise, one list an athlete and day, in the order they were done.</param>
    /// <param name="rule">What was measured.</param>
    /// <param name="value">A usual figure, for what is usual where repeats are too few.</param>
    public static TypicalError Of(IEnumerable<IReadOnlyList<double>> repeats, MeasureRule rule, double value) => Of(repeats, Math.Max(Rounding(rule.Step), rule.ErrorShare * value), rule.Step);

    /// <summary>
    /// From repeats: standard deviation of the differences between each attempt and the next of the same athlete and day, over the root of 2 (Hopkins 2000). What the whole squad
    /// gains or loses from one attempt to the next is no error and is taken out; pairs of several attempts are taken together by their freedom.
    /// </summary>
    /// <param name="repeats">Figures, one list an athlete and day, in order.</param>
    /// <param name="usual">What is usual where repeats are too few, above 0.</param>
    /// <param name="step">What they are read to, above 0.</param>
    public static TypicalError Of(IEnumerable<IReadOnlyList<double>> repeats, double usual, double step)
    {
        var differences = repeats.SelectMany(day => day.Zip(day.Skip(1), (a, b) => b - a).Select((d, i) => (Pair: i, Value: d))).ToLookup(d => d.Pair, d => d.Value);
        var (squares, freedom) = (0.0, 0);
        foreach (var pair in differences)
        {
            var mean = pair.Average();
            squares += pair.Sum(d => (d - mean) * (d - mean));
            freedom += pair.Count() - 1;
        }

        return freedom >= FewestFreedom ? new(Math.Max(Rounding(step), Math.Sqrt(squares / freedom / 2)), freedom, true) : new(usual, UsualFreedom, false);
    }
}

/// <summary>How figures of a squad differ: from attempt to attempt by themselves, and between athletes.</summary>
/// <param name="Repeats">Figures, one list an athlete and day, in order.</param>
/// <param name="Athletes">What stands for each athlete.</param>
public sealed record SquadScatter(IReadOnlyList<IReadOnlyList<double>> Repeats, IReadOnlyDictionary<int, double> Athletes)
{
    private const int Latest = 3;

    /// <summary>The scatter of figures: what stands for an athlete is the mean of the latest three.</summary>
    /// <param name="figures">Figures in the order they were done.</param>
    public static SquadScatter Of(IEnumerable<(int Athlete, DateOnly Day, double Value)> figures)
    {
        var all = figures.ToList();
        return new([.. all.GroupBy(f => (f.Athlete, f.Day)).Select(d => (IReadOnlyList<double>)[.. d.Select(f => f.Value)])], all.GroupBy(f => f.Athlete).ToDictionary(a => a.Key, a => a.TakeLast(Latest).Average(f => f.Value)));
    }

    /// <summary>Fewest athletes whose differences tell what is worth having.</summary>
    public const int FewestAthletes = 4;

    /// <summary>Smallest change worth having: a fifth of the scatter between athletes (Hopkins 2000); null with too few of them, or when they do not differ.</summary>
    public double? Smallest => Athletes.Count >= FewestAthletes && MathNet.Numerics.Statistics.Statistics.StandardDeviation(Athletes.Values) is > 0 and var scatter ? RunComparison.SmallestShare * scatter : null;
}
