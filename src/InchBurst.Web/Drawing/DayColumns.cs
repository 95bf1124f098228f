using InchBurst.Core.Progress;

namespace InchBurst.Web.Drawing;

/// <summary>An athlete's day.</summary>
/// <param name="Seconds">The best time, s.</param>
/// <param name="Best">Own best before the day, s; null for a first time.</param>
/// <param name="Others">The day's other times, s.</param>
/// <param name="Usual">What is usual for the athlete, s, or null.</param>
public sealed record DayOfOne(double Seconds, double? Best, IReadOnlyList<double> Others, UsualRange? Usual);

/// <summary>A column.</summary>
/// <param name="X">Its middle, px.</param>
/// <param name="Y">Height of the best time, px; null for a first time.</param>
/// <param name="Hundredths">The difference in hundredths, positive faster.</param>
/// <param name="IsBeyond">True when that lies beyond the scale.</param>
/// <param name="Others">Heights of the other times that lie within the scale, px, none twice.</param>
/// <param name="Band">Top and foot of what is usual, px, or null.</param>
public sealed record DayColumn(double X, double? Y, int? Hundredths, bool IsBeyond, IReadOnlyList<double> Others, (double Top, double Foot)? Band);

/// <summary>A day's best times in hundredths against each athlete's own best before it: a column each, faster up.</summary>
/// <param name="Columns">A column each.</param>
/// <param name="Lines">Lines of the scale: where, and what they say.</param>
/// <param name="Zero">Where own best lies.</param>
public sealed record DayColumns(IReadOnlyList<DayColumn> Columns, IReadOnlyList<(double Y, string Text)> Lines, double Zero)
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
    /// <param name="days">The day of each athlete.</param>
    /// <param name="width">Width, px.</param>
    public static DayColumns Draw(IReadOnlyList<DayOfOne> days, double width)
    {
        double Y(double hundredths) => Top + ((Fastest - Math.Clamp(hundredths, Slowest, Fastest)) * Step);
        var each = Math.Min(53, (width - Left) / Math.Max(1, days.Count));
        return new(
            [
                .. days.Select((d, i) =>
                {
                    var x = Left + ((i + 0.5) * each);
                    if (d.Best is not { } best)
                    {
                        return new DayColumn(x, null, null, false, [], null);
                    }

                    double Off(double seconds) => (best - seconds) * 100;
                    var off = (int)Math.Round(Off(d.Seconds));
                    return new DayColumn(
                        x, Y(off), off, off is < Slowest or > Fastest, [.. d.Others.Select(s => Math.Round(Off(s))).Where(o => o is >= Slowest and <= Fastest && (int)o != off).Distinct().Select(Y)],
                        d.Usual is { } usual && Off(usual.Least) > Slowest ? (Y(Off(usual.Least)), Y(Off(usual.Most))) : null);
                }),
            ],
            [.. Enumerable.Range(0, 6).Select(i => Fastest - (2 * i)).Where(h => h >= Slowest).Select(h => (Y(h), h == 0 ? "own best" : h > 0 ? $"+{h}" : $"−{-h}"))], Y(0));
    }
}
