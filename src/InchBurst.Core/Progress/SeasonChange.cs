using MathNet.Numerics.Distributions;

namespace InchBurst.Core.Progress;

/// <summary>What changed over a season, and whether it is more than noise.</summary>
/// <param name="Change">Mean of the last days less the mean of the first, in the unit of the values.</param>
/// <param name="Error">Standard error of it, not negative.</param>
/// <param name="IsReal">True when one who has not changed would show as much in at most 10% of seasons: Student's t, since the scatter is known from these few days only.</param>
/// <param name="Days">Days at each end that were compared.</param>
public sealed record SeasonChange(double Change, double Error, bool IsReal, int Days)
{
    /// <summary>Days at each end that are compared when there are enough.</summary>
    public const int MostDays = 4;

    /// <summary>Fewest days in all of which anything is said.</summary>
    public const int FewestDays = 6;

    // A 90% range, both ways.
    private const double Upper = 0.95;

    /// <summary>Degrees of freedom of the scatter.</summary>
    public int Freedom => FreedomOf(Days);

    /// <summary>Half width of its 90% range, in the unit of the values.</summary>
    public double Half90 => Half(Error, Days);

    private static int FreedomOf(int days) => 2 * (days - 1);

    private static double Half(double error, int days) => StudentT.InvCDF(0, 1, FreedomOf(days), Upper) * error;

    /// <summary>
    /// Compares the first days with the last: up to four at each end, and never one day twice. The scatter is that of the days about their own end's mean, taken
    /// together (own rule).
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
        var variance = (Squares(first) + Squares(last)) / FreedomOf(days);
        var error = Math.Sqrt(variance * 2 / days);
        var change = last.Average() - first.Average();
        return new(change, error, Math.Abs(change) > Half(error, days), days);
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

    // Standard errors of a 90% range under normal errors.
    private const double Beyond = 1.645;

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
        return new(Rate(before), Rate(after), since, Rate(before) is { } was && Rate(after) is { } now && Math.Abs(now - was) > Beyond * error);
    }
}
