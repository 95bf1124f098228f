using MathNet.Numerics.Statistics;

namespace InchBurst.Core.Progress;

/// <summary>What is usual for an athlete: from the 5th to the 95th percentile of the bests of sessions (own rule).</summary>
/// <param name="Least">5th percentile, in the unit of the values.</param>
/// <param name="Most">95th percentile.</param>
public sealed record UsualRange(double Least, double Most)
{
    /// <summary>Fewest sessions of which a range is given.</summary>
    public const int FewestSessions = 4;

    /// <summary>Days back that count as now.</summary>
    public const int Days = 84;

    /// <summary>The range of some bests; percentiles lie between neighbours where none falls on them (Hyndman and Fan 1996, definition 8, which is the library's).</summary>
    /// <param name="bests">One value a session, in any order.</param>
    /// <returns>The range, or null with fewer than <see cref="FewestSessions"/>.</returns>
    public static UsualRange? Of(IReadOnlyCollection<double> bests) =>
        bests.Count < FewestSessions ? null : new(bests.Quantile(0.05), bests.Quantile(0.95));
}
