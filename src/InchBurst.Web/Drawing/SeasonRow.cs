using InchBurst.Core.Progress;

namespace InchBurst.Web.Drawing;

/// <summary>One measure over a season as a line: a dot a day, the best named, the latest large; the band is the scatter about the first days.</summary>
public sealed record SeasonRow(
    IReadOnlyList<(double X, double Y)> Dots, IReadOnlyList<(double X, double Y)> Lifted, (double X, double Y, double Value)? Best, double BandTop, double BandHeight, double Middle)
{
    public const double Height = 58;

    private const double Top = 16;
    private const double Bottom = 50;

    /// <summary>Draws a row.</summary>
    /// <param name="days">One value a day in order, with what was lifted for it where it is an estimate.</param>
    /// <param name="x">Where a day lies.</param>
    /// <param name="change">What changed, or null.</param>
    /// <param name="isLeastBest">True where less is better.</param>
    public static SeasonRow Draw(IReadOnlyList<(DateOnly Day, double Value, double? Lifted)> days, Func<DateOnly, double> x, SeasonChange? change, bool isLeastBest = false)
    {
        var all = days.Select(d => d.Value).Concat(days.Select(d => d.Lifted).OfType<double>()).ToList();
        var (least, most) = (all.Min(), all.Max());
        var range = most - least < 1e-9 ? 1 : most - least;
        double Y(double value) => Bottom - ((Bottom - Top) * (value - least) / range);
        var first = days.Take(change?.Days ?? Math.Min(days.Count, SeasonChange.MostDays)).Average(d => d.Value);

        // The band is where the mean of the last days would have to leave to be a change.
        var half = change?.Half90 ?? 0;
        var (high, low) = (Y(Math.Min(most, first + half)), Y(Math.Max(least, first - half)));
        var best = isLeastBest ? days.MinBy(d => d.Value) : days.MaxBy(d => d.Value);
        return new(
            [.. days.Select(d => (x(d.Day), Y(d.Value)))], [.. days.Where(d => d.Lifted is not null).Select(d => (x(d.Day), Y(d.Lifted!.Value)))],
            days.Count > 1 ? (x(best.Day), Y(best.Value), best.Value) : null, high, Math.Max(2, low - high), Y(first));
    }
}
