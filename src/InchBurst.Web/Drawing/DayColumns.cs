namespace InchBurst.Web.Drawing;

/// <summary>A day's best times in hundredths against each athlete's own best before it: a column each, faster up.</summary>
/// <param name="Columns">A column each: where, how high, the difference in hundredths, and whether it lies beyond the scale.</param>
/// <param name="Lines">Lines of the scale: where, and what they say.</param>
/// <param name="Zero">Where own best lies.</param>
public sealed record DayColumns(IReadOnlyList<(double X, double? Y, int? Hundredths, bool IsBeyond)> Columns, IReadOnlyList<(double Y, string Text)> Lines, double Zero)
{
    public const double Left = 66;
    public const double Height = 190;

    /// <summary>Where names stand, and the times under them.</summary>
    public const double NameY = 162;

    private const double Top = 22;
    private const double Step = 11.4;
    private const int Fastest = 2;
    private const int Slowest = -8;

    /// <summary>Draws a day.</summary>
    /// <param name="times">Time and own best before, s; null for a first time.</param>
    /// <param name="width">Width, px.</param>
    public static DayColumns Draw(IReadOnlyList<(double Seconds, double? Best)> times, double width)
    {
        double Y(double hundredths) => Top + ((Fastest - Math.Clamp(hundredths, Slowest, Fastest)) * Step);
        var each = Math.Min(53, (width - Left) / Math.Max(1, times.Count));
        return new(
            [
                .. times.Select((t, i) =>
                {
                    var off = t.Best is { } best ? (int?)Math.Round((best - t.Seconds) * 100) : null;
                    return (Left + ((i + 0.5) * each), off is { } o ? Y(o) : (double?)null, off, off is < Slowest or > Fastest);
                }),
            ],
            [.. Enumerable.Range(0, 6).Select(i => Fastest - (2 * i)).Where(h => h >= Slowest).Select(h => (Y(h), h == 0 ? "own best" : h > 0 ? $"+{h}" : $"−{-h}"))], Y(0));
    }
}
