using InchBurst.Core.Units;

namespace InchBurst.Core.Progress;

/// <summary>What changed over a season, and whether it is more than noise.</summary>
/// <param name="Change">Mean of the last days less the mean of the first, in the unit of the values.</param>
/// <param name="Error">Standard error of it, not negative.</param>
/// <param name="IsReal">True when it is beyond 1.645 standard errors: one who has not changed shows as much in at most 10% of seasons.</param>
/// <param name="Days">Days at each end that were compared.</param>
public sealed record SeasonChange(double Change, double Error, bool IsReal, int Days)
{
    /// <summary>Days at each end that are compared when there are enough.</summary>
    public const int MostDays = 4;

    /// <summary>Fewest days in all of which anything is said.</summary>
    public const int FewestDays = 6;

    internal const double Beyond = 1.645;

    /// <summary>
    /// Compares the first days with the last: up to four at each end, and never one day twice. The scatter is that of the days about their own end's mean, taken
    /// together (own rule; 1.645 standard errors are a 90% range under normal errors).
    /// </summary>
    /// <param name="values">One value a day, the first day first.</param>
    /// <returns>The change, or null with fewer than <see cref="FewestDays"/> days.</returns>
    public static SeasonChange? Of(IReadOnlyList<double> values)
    {
        if (values.Count < FewestDays)
        {
            return null;
        }

        var days = Math.Min(MostDays, values.Count / 2);
        var (first, last) = (values.Take(days).ToList(), values.Skip(values.Count - days).ToList());
        double Squares(List<double> of) => of.Sum(v => (v - of.Average()) * (v - of.Average()));
        var variance = (Squares(first) + Squares(last)) / (2 * (days - 1));
        var error = Math.Sqrt(variance * 2 / days);
        var change = last.Average() - first.Average();
        return new(change, error, Math.Abs(change) > Beyond * error, days);
    }
}

/// <summary>How often something is seen, before and since the first drill that answers it.</summary>
/// <param name="Was">Times in a hundred runs watched before, or in the first half of them with no drill; null with too few.</param>
/// <param name="Is">Times in a hundred runs watched since, or in the second half; null with too few.</param>
/// <param name="Since">Day of the first drill that answers it, or null.</param>
/// <param name="IsReal">True when the two differ by more than 1.645 standard errors of two proportions with the pooled share.</param>
public sealed record SeenRate(double? Was, double? Is, DateOnly? Since, bool IsReal)
{
    /// <summary>Fewest runs watched of which a rate is given.</summary>
    public const int FewestRuns = 5;

    /// <summary>The rates of one thing.</summary>
    /// <param name="days">Days in order, with runs on which anything was watched, and on how many of them it was seen.</param>
    /// <param name="drills">Days with a drill that answers it.</param>
    public static SeenRate Of(IReadOnlyList<(DateOnly Day, int Watched, int Seen)> days, IEnumerable<DateOnly> drills)
    {
        var since = drills.Select(d => (DateOnly?)d).DefaultIfEmpty(null).Min();
        var split = since ?? (days.Count == 0 ? DateOnly.MinValue : days[days.Count / 2].Day);
        (int Watched, int Seen) Sum(IEnumerable<(DateOnly Day, int Watched, int Seen)> of) => (of.Sum(d => d.Watched), of.Sum(d => d.Seen));
        double? Rate((int Watched, int Seen) of) => of.Watched >= FewestRuns ? 100.0 * of.Seen / of.Watched : null;
        var (before, after) = (Sum(days.Where(d => d.Day < split)), Sum(days.Where(d => d.Day >= split)));
        var pooled = (before.Seen + after.Seen) / (double)Math.Max(1, before.Watched + after.Watched);
        var error = 100 * Math.Sqrt(pooled * (1 - pooled) * ((1.0 / Math.Max(1, before.Watched)) + (1.0 / Math.Max(1, after.Watched))));
        return new(Rate(before), Rate(after), since, Rate(before) is { } was && Rate(after) is { } now && Math.Abs(now - was) > SeasonChange.Beyond * error);
    }
}
