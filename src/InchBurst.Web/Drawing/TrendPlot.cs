using System.Globalization;
using InchBurst.Core.Plan;
using InchBurst.Core.Progress;

namespace InchBurst.Web.Drawing;

/// <summary>A line of a trend: one for the whole, or one a side.</summary>
/// <param name="Side">The side, or null.</param>
/// <param name="Attempts">A dot for each attempt that was not the best of its day.</param>
/// <param name="Days">A dot for the best of each day.</param>
/// <param name="Line">The straight line through them; null with too few days.</param>
/// <param name="Band">Its 90% range as a polygon; empty with too few days.</param>
public sealed record TrendStroke(Side? Side, IReadOnlyList<(double X, double Y)> Attempts, IReadOnlyList<(double X, double Y)> Days, (double X1, double Y1, double X2, double Y2)? Line, string Band);

/// <summary>Everything somebody did at one thing over the season, better up.</summary>
/// <param name="Width">Width.</param>
/// <param name="Height">Height.</param>
/// <param name="Left">Where the days begin.</param>
/// <param name="Right">Where they end.</param>
/// <param name="Bottom">Foot of the plot.</param>
/// <param name="Strokes">Its lines.</param>
/// <param name="Ticks">Figures at the side.</param>
/// <param name="Months">First days of months.</param>
/// <param name="Best">Where the best of all stands.</param>
/// <param name="Usual">Band of the usual range; null with too few days or with two sides.</param>
public sealed record TrendPlot(double Width, double Height, double Left, double Right, double Bottom, IReadOnlyList<TrendStroke> Strokes, IReadOnlyList<(double Y, string Text)> Ticks, IReadOnlyList<(double X, string Text)> Months, (double X, double Y) Best, (double Top, double Height)? Usual)
{
    /// <summary>Head of the plot.</summary>
    public const double Top = 14;

    private const double Air = 0.08;
    private const int MostTicks = 6;
    private const double Foot = 24;

    /// <summary>Draws a trend.</summary>
    /// <param name="lines">Its lines.</param>
    /// <param name="from">First day shown.</param>
    /// <param name="to">Last day shown.</param>
    /// <param name="scale">What one unit as read is in the unit of the values.</param>
    /// <param name="width">Width of the picture.</param>
    /// <param name="height">Height of the picture.</param>
    public static TrendPlot Draw(IReadOnlyList<(Side? Side, Trend Of)> lines, DateOnly from, DateOnly to, double scale, double width, double height)
    {
        var (left, right, bottom) = (52.0, width - 14, height - Foot);
        var less = lines[0].Of.LessIsBetter;
        var all = lines.SelectMany(l => l.Of.Attempts).Select(a => a.Value / scale).ToList();
        var step = Step((all.Max() - all.Min()) / MostTicks, lines[0].Of.Step / scale);
        var air = Math.Max(step / 2, (all.Max() - all.Min()) * Air);
        var (low, high) = (all.Min() - air, all.Max() + air);
        var days = Math.Max(1, to.DayNumber - from.DayNumber);
        double X(DateOnly day) => left + ((right - left) * (day.DayNumber - from.DayNumber) / days);
        double At(double value) => Math.Clamp((value - low) / (high - low), 0, 1) is var share && less ? Top + ((bottom - Top) * share) : bottom - ((bottom - Top) * share);
        double Y(double value) => At(value / scale);
        var decimals = step >= 1 ? 0 : step >= 0.1 ? 1 : 2;
        var best = lines.Select(l => l.Of.Best).Aggregate((a, b) => (less ? b.Value < a.Value : b.Value > a.Value) ? b : a);
        var usual = lines.Count == 1 ? lines[0].Of.Usual : null;
        return new(
            width, height, left, right, bottom,
            [.. lines.Select(l => Stroke(l.Side, l.Of, X, Y))],
            [.. Enumerable.Range((int)Math.Ceiling(low / step), 60).Select(i => i * step).TakeWhile(v => v <= high).Select(v => (At(v), v.ToString("F" + decimals, CultureInfo.InvariantCulture)))],
            [.. Enumerable.Range(0, days + 1).Select(from.AddDays).Where(d => d.Day == 1).Select(d => (X(d), d.ToString(days > 200 ? "MMM" : "MMMM", CultureInfo.InvariantCulture)))],
            (X(best.Day), Y(best.Value)), usual is null ? null : (Math.Min(Y(usual.Least), Y(usual.Most)), Math.Max(2, Math.Abs(Y(usual.Least) - Y(usual.Most)))));
    }

    private static TrendStroke Stroke(Side? side, Trend of, Func<DateOnly, double> x, Func<double, double> y)
    {
        var days = of.Days;
        var rest = of.Attempts.GroupBy(a => a.Day).SelectMany(g => (of.LessIsBetter ? g.OrderBy(a => a.Value) : g.OrderByDescending(a => a.Value)).Skip(1)).Select(a => (x(a.Day), y(a.Value)));
        var (line, band) = (default((double, double, double, double)?), "");
        if (of.Band is { } trend)
        {
            var (first, last) = (days[0].Day, days[^1].Day);
            var along = Enumerable.Range(0, 17).Select(i => first.AddDays((last.DayNumber - first.DayNumber) * i / 16)).Distinct().ToList();
            string Edge(IEnumerable<DateOnly> over, int sign) => string.Join(' ', over.Select(d => string.Create(CultureInfo.InvariantCulture, $"{x(d):0.#},{y(trend.At(d) + (sign * trend.Half90(d))):0.#}")));
            line = (x(first), y(trend.At(first)), x(last), y(trend.At(last)));
            band = Edge(along, 1) + " " + Edge(Enumerable.Reverse(along), -1);
        }

        return new(side, [.. rest], [.. days.Select(d => (x(d.Day), y(d.Value)))], line, band);
    }

    // 1, 2 or 5 of a power of ten, no finer than the figures are read to.
    private static double Step(double atLeast, double finest)
    {
        var least = Math.Max(atLeast, finest);
        var power = Math.Pow(10, Math.Floor(Math.Log10(least) + 1e-9));
        return new[] { 1.0, 2, 5, 10 }.Select(m => m * power).First(s => s >= least - 1e-12);
    }
}
