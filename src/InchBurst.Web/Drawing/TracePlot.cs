using System.Globalization;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;

namespace InchBurst.Web.Drawing;

/// <summary>The trace of a radar or laser with the curve fitted to it, speed against seconds from the first movement.</summary>
/// <param name="Width">Width.</param>
/// <param name="Height">Height.</param>
/// <param name="Left">Where time 0 lies.</param>
/// <param name="Bottom">Where speed 0 lies.</param>
/// <param name="Right">Where the plot ends.</param>
/// <param name="Rows">Rows that were fitted, as dots.</param>
/// <param name="Others">Rows that were not.</param>
/// <param name="Curve">The curve as a path.</param>
/// <param name="Seconds">Figures along.</param>
/// <param name="Speeds">Figures up.</param>
/// <param name="TopY">Where MSS lies.</param>
public sealed record TracePlot(double Width, double Height, double Left, double Bottom, double Right, IReadOnlyList<(double X, double Y)> Rows, IReadOnlyList<(double X, double Y)> Others, string Curve, IReadOnlyList<(double X, string Text)> Seconds, IReadOnlyList<(double Y, string Text)> Speeds, double TopY)
{
    private const int MostDots = 400;
    private const double Before = 0.5;
    private const double Head = 0.08;

    /// <summary>Draws a trace.</summary>
    /// <param name="rows">All its rows.</param>
    /// <param name="fit">The fit.</param>
    /// <param name="unit">What speeds are read in.</param>
    /// <param name="width">Width of the picture.</param>
    /// <param name="height">Height of the picture.</param>
    public static TracePlot Draw(IReadOnlyList<SpeedSample> rows, TraceFitted fit, SpeedReading unit, double width, double height)
    {
        var (left, right, top, bottom) = (44.0, width - 12, 10.0, height - 26);
        var (first, last) = (-Before, Math.Min(rows[^1].Seconds - fit.StartSeconds, fit.Used[^1].Seconds - fit.StartSeconds + 2));
        var most = Math.Max(fit.Curve.Mss, rows.Max(r => r.Speed)) * (1 + Head);
        double X(double since) => left + ((right - left) * (since - first) / (last - first));
        double Y(double speed) => bottom - ((bottom - top) * Math.Clamp(speed / most, 0, 1));
        var (from, to) = (fit.Used[0].Seconds, fit.Used[^1].Seconds);
        List<SpeedSample> shown = [.. rows.Where(r => r.Seconds - fit.StartSeconds >= first && r.Seconds - fit.StartSeconds <= last)];
        var every = Math.Max(1, (int)Math.Ceiling(shown.Count / (double)MostDots));
        var dots = shown.Where((_, i) => i % every == 0).ToLookup(r => r.Seconds >= from && r.Seconds <= to, r => (X(r.Seconds - fit.StartSeconds), Y(r.Speed)));
        var end = to - fit.StartSeconds;
        var step = Figures.SpeedIn(most, unit) > 20 ? 5 : 2;
        return new(
            width, height, left, bottom, right, [.. dots[true]], [.. dots[false]],
            string.Join(' ', Enumerable.Range(0, 61).Select(i => end * i / 60).Select((t, i) => string.Create(CultureInfo.InvariantCulture, $"{(i == 0 ? 'M' : 'L')}{X(t):0.#} {Y(fit.Curve.SpeedAt(t)):0.#}"))),
            [.. Enumerable.Range(0, (int)Math.Ceiling(last)).Select(s => (X(s), s.ToString(CultureInfo.InvariantCulture)))],
            [.. Enumerable.Range(0, 40).Select(i => i * step).TakeWhile(v => v < Figures.SpeedIn(most, unit)).Select(v => (Y(v * most / Figures.SpeedIn(most, unit)), v.ToString(CultureInfo.InvariantCulture)))],
            Y(fit.Curve.Mss));
    }
}
