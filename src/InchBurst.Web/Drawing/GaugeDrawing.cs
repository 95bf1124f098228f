using InchBurst.Core.Rest;
using InchBurst.Core.Units;

namespace InchBurst.Web.Drawing;

/// <summary>The drop-off gauge: share of the day's best from 92 to 101%, the stop line, this rep and the earlier ones.</summary>
public sealed record GaugeDrawing(
    double Width, double Left, double Right, double StopX, double NowX, string NowText, string NowAnchor, IReadOnlyList<(double X, string Text)> Earlier, IReadOnlyList<(double X, string Text, bool Strong)> Ticks, bool Below)
{
    private const double MostShare = 1.01;

    /// <summary>Draws a reading; reps below the scale stand at its left end.</summary>
    public static GaugeDrawing Draw(DropOffReading reading, double width)
    {
        const double left = 4;
        var right = width - 24;
        var least = Math.Min(0.92, reading.StopShare - 0.03);
        double X(double share) => left + ((right - left) * (Math.Clamp(share, least, MostShare) - least) / (MostShare - least));
        var ticks = new List<(double, string, bool)>();
        var step = width < 420 && least <= 0.92 ? 3 : 1;
        var stop = (int)Math.Round(reading.StopShare * 100);
        for (var percent = (int)Math.Ceiling(least * 100); percent <= 100; percent++)
        {
            if (percent == stop || percent == 100 || (percent - (int)Math.Ceiling(least * 100)) % step == 0)
            {
                ticks.Add((X(percent / 100.0), percent == 100 ? "100%" : percent.ToString(System.Globalization.CultureInfo.InvariantCulture), percent == stop));
            }
        }

        // Two labels may not lie on each other: of the earlier reps only the last is named.
        var earlier = reading.Earlier.Select((s, i) => (X(s), $"rep {i + 1}")).ToList();
        var nowX = X(reading.Share);
        return new(width, left, right, X(reading.StopShare), nowX, Figures.Exact(reading.Share * 100, 1), nowX < width * 0.25 ? "start" : nowX > width * 0.75 ? "end" : "middle", earlier, ticks, reading.SaysStop);
    }
}
