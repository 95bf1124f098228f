using System.Globalization;
using InchBurst.Core.Load;

namespace InchBurst.Web.Drawing;

/// <summary>A band of the plot that serves an aim.</summary>
public sealed record AimBand(LoadAim Aim, double Top, double Bottom, bool IsNamedRight);

/// <summary>A point of the test: mean of the runs with a load, with its 90% range.</summary>
public sealed record PlotPoint(double X, double Y, double Low, double High, bool IsPull);

/// <summary>A load line drawn: kilograms across, speed as percent of free up.</summary>
public sealed record LoadPlot
{
    /// <summary>Width on a desk, px.</summary>
    public const double DeskWidth = 772;

    /// <summary>Width on a phone, px.</summary>
    public const double PhoneWidth = 358;

    /// <summary>Width in px.</summary>
    public double Width { get; private init; } = DeskWidth;

    /// <summary>True where there is little room.</summary>
    public bool IsNarrow => Width < 500;

    /// <summary>Height of the plot alone in px.</summary>
    public const double PlotHeight = 282;

    /// <summary>Height with the lane of kilograms and the figures, px.</summary>
    public const double Height = 346;

    /// <summary>Height of the lane, px.</summary>
    public const double Lane = 20;

    private const double TopPercent = 112;
    private const double LeastPercent = 20;
    private const double UsualMost = 70;

    private double LeastKilograms => IsNarrow ? -10 : -14;

    /// <summary>Most kilograms drawn.</summary>
    public double MostKilograms { get; private init; } = UsualMost;

    /// <summary>Px for each kilogram.</summary>
    public double PerKilogram => (Width - Edge) / (MostKilograms - LeastKilograms);

    /// <summary>Px for each percent.</summary>
    public static double PerPercent => PlotHeight / (TopPercent - LeastPercent);

    /// <summary>Where zero kilograms stand, px.</summary>
    public double Zero => X(0);

    /// <summary>Where free speed stands, px.</summary>
    public static double Free => Y(100);

    /// <summary>Left edge of the plot, px.</summary>
    public double Edge => IsNarrow ? 36 : 48;

    /// <summary>Points of the line where it was tested.</summary>
    public string Tested { get; private init; } = "";

    /// <summary>Points of the line below what was tested.</summary>
    public string Below { get; private init; } = "";

    /// <summary>Points of the line beyond what was tested.</summary>
    public string Beyond { get; private init; } = "";

    /// <summary>Outline of the 90% band; empty without a line.</summary>
    public string Band { get; private init; } = "";

    /// <summary>Ends of the range tested, px; equal without a line.</summary>
    public (double From, double To) Range { get; private init; }

    /// <summary>Points of the test.</summary>
    public IReadOnlyList<PlotPoint> Points { get; private init; } = [];

    /// <summary>Earlier lines on the same floor, the newest first.</summary>
    public IReadOnlyList<string> Earlier { get; private init; } = [];

    /// <summary>The aims.</summary>
    public IReadOnlyList<AimBand> Aims { get; private init; } = [];

    /// <summary>Kilograms on the axis with their place, px.</summary>
    public IReadOnlyList<(double X, double Kilograms)> Ticks { get; private init; } = [];

    /// <summary>Where the line meets half of free speed; null where it leaves the plot before.</summary>
    public (double X, double Y, double Kilograms)? Half { get; private init; }

    /// <summary>Place of a load, px.</summary>
    public double X(double kilograms) => Edge + ((kilograms - LeastKilograms) * PerKilogram);

    /// <summary>Place of a speed, px.</summary>
    /// <param name="percent">Percent of free.</param>
    public static double Y(double percent) => (TopPercent - percent) * PerPercent;

    /// <summary>Draws what is known of an athlete.</summary>
    /// <param name="known">The athlete.</param>
    /// <param name="points">Runs of the test; none without one.</param>
    /// <param name="earlier">Earlier lines.</param>
    /// <param name="width">Width, px.</param>
    public static LoadPlot Draw(LoadKnown known, IReadOnlyList<LoadPoint> points, IReadOnlyList<LoadLine> earlier, double width = DeskWidth)
    {
        // The heaviest load that is answered stands on the paper for light and heavy athletes alike.
        var plot = new LoadPlot { Width = width, MostKilograms = Math.Max(width < 500 ? UsualMost - 10 : UsualMost, Math.Ceiling(Math.Max(points.Count == 0 ? 0 : points.Max(p => p.Kilograms) * 1.2, known.Best(62).Load.Kilograms) / 10) * 10) };
        string Line(Func<double, double> decrement, double from, double to) => string.Join(' ', Enumerable.Range(0, 25).Select(i => from + ((to - from) * i / 24)).Select(kg => (Kg: kg, Percent: 100 - decrement(kg))).Where(p => p.Percent is >= LeastPercent and <= TopPercent)
            .Select(p => Pair(plot.X(p.Kg), Y(p.Percent))));
        var (least, most) = known.Line is { } line ? (line.Least, line.Most) : (0, 0);
        var free = known.Line?.Free ?? 1;
        string Edge(bool isUpper) => string.Join(' ', Enumerable.Range(0, 33).Select(i => isUpper ? i : 32 - i).Select(i => plot.LeastKilograms + ((plot.MostKilograms - plot.LeastKilograms) * i / 32)).Select(kg =>
        {
            var (low, high) = known.Line!.RangeAt(kg);
            return Pair(plot.X(kg), Math.Clamp(Y((isUpper ? high : low) / free * 100), 0, PlotHeight));
        }));
        var half = known.Best(50).Load.Kilograms;
        return plot with
        {
            Tested = known.Line is null ? "" : Line(known.DecrementAt, least, most),
            Below = Line(known.DecrementAt, plot.LeastKilograms, least),
            Beyond = Line(known.DecrementAt, most, plot.MostKilograms),
            Band = known.Line is null ? "" : $"{Edge(true)} {Edge(false)}",
            Range = (plot.X(least), plot.X(most)),
            Points =
            [
                .. points.GroupBy(p => p.Kilograms).OrderBy(g => g.Key).Select(g =>
                {
                    var mean = g.Average(p => p.TopSpeed) / free * 100;
                    var spread = g.Count() < 2 ? 0 : Math.Sqrt(g.Sum(p => Math.Pow((p.TopSpeed / free * 100) - mean, 2)) / (g.Count() - 1) / g.Count()) * MathNet.Numerics.Distributions.StudentT.InvCDF(0, 1, g.Count() - 1, 0.95);
                    return new PlotPoint(plot.X(g.Key), Y(mean), Y(mean - Math.Min(spread, 4)), Y(mean + Math.Min(spread, 4)), g.Key < 0);
                }),
            ],
            Earlier = [.. earlier.Select(e => Line(e.DecrementAt, e.Least, e.Most))],
            Aims = [.. LoadAim.All.Select(a => new AimBand(a, Y(100 - a.Least), a.Unit == Core.Plan.LoadUnit.HeavyStart ? PlotHeight : Y(100 - a.Most), a.Usual < 40))],
            Ticks = [.. Enumerable.Range(0, 40).Select(i => -10.0 + (10 * i)).Where(kg => kg <= plot.MostKilograms && (plot.IsNarrow || plot.MostKilograms > 100 ? kg >= 0 && kg % 20 == 0 : true)).Select(kg => (plot.X(kg), kg))],
            Half = half < plot.MostKilograms ? (plot.X(half), Y(50), half) : null,
        };
    }

    private static string Pair(double x, double y) => string.Create(CultureInfo.InvariantCulture, $"{x:0.#},{y:0.#}");
}
