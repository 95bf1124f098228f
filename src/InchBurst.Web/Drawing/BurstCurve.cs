using System.Globalization;
using System.Text;
using InchBurst.Core.Plan;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;

namespace InchBurst.Web.Drawing;

/// <summary>A share of top speed marked on the curve.</summary>
public sealed record CurveMark(double X, double Y, string Label, string Metres, double TagX);

/// <summary>Speed against distance for one run: measured means as steps, the fitted curve and its range through them.</summary>
public sealed record BurstCurve(
    double Width, double Height, double PlotLeft, double PlotRight, double PlotTop, double PlotBottom,
    IReadOnlyList<(double X, double Width, double Y)> Steps,
    string? CurvePath, string? BandPath, double? TopY, string? TopText,
    IReadOnlyList<CurveMark> Marks,
    IReadOnlyList<(double Y, string Text)> SpeedTicks,
    IReadOnlyList<(double X, string Text, bool Strong)> DistanceTicks,
    IReadOnlyList<(double X, double Width, string Text, string Fill, bool Dark)> Phases,
    string SpeedSymbol, string DistanceSymbol)
{

    /// <summary>True when it lies along time, not along the way.</summary>
    public bool IsByTime { get; init; }

    // The clock at a place: at gates as read, between them and beyond as the curve has it, so that steps end where they were timed.
    private static double Clock(IReadOnlyList<GateTime> gates, SprintFitted? fit, double metres)
    {
        var at = 0;
        while (at < gates.Count && gates[at].Metres < metres - 1e-9)
        {
            at++;
        }

        if (at == gates.Count)
        {
            return gates.Count == 0 ? metres : gates[^1].Seconds;
        }

        var (from, to) = (at == 0 ? new GateTime(0, 0) : gates[at - 1], gates[at]);
        var share = fit is null ? (metres - from.Metres) / (to.Metres - from.Metres)
            : fit.Curve.TimeTo(to.Metres + fit.StartBehindGateMetres) - fit.Curve.TimeTo(from.Metres + fit.StartBehindGateMetres) is > 1e-9 and var whole ? (fit.Curve.TimeTo(metres + fit.StartBehindGateMetres) - fit.Curve.TimeTo(from.Metres + fit.StartBehindGateMetres)) / whole : 0;
        return from.Seconds + (share * (to.Seconds - from.Seconds));
    }

    // Seconds between marks of the time axis.
    private const int SecondStep = 1;

    /// <summary>Draws a run; the fit may be missing.</summary>
    public static BurstCurve Draw(IReadOnlyList<GateTime> gates, SprintFitted? fit, double width, double height, SpeedReading reading, DistanceUnit unit, bool byTime = false)
    {
        var segments = Splits.Segments(gates);
        var far = gates.Count > 0 ? gates[^1].Metres : 40;
        var fastest = Math.Max(segments.Count > 0 ? segments.Max(s => s.MeanSpeed) : 0, fit is null ? 0 : fit.Curve.Mss + (fit.Range90(fit.MssError) ?? 0));
        var unitsPerSpeed = Figures.SpeedIn(1, reading);
        var speedStep = reading == SpeedReading.MetresPerSecond ? 2 : 5;
        var topUnits = Math.Ceiling(((Math.Min(fastest, 15) * unitsPerSpeed) + (speedStep * 0.35)) / speedStep) * speedStep;
        var (left, right, top, bottom) = (width < 500 ? 34.0 : 62.0, width - 2, 14.0, height - 82);
        var last = byTime ? Clock(gates, fit, far) : far;
        double X(double metres) => left + ((right - left) * (byTime ? Clock(gates, fit, metres) : metres) / last);
        double Y(double speed) => bottom - ((bottom - top) * Math.Min(speed * unitsPerSpeed, topUnits) / topUnits);

        var strong = gates.Select(g => g.Metres).ToArray();
        var perUnit = new Distance(1, unit).Metres;
        var step = far / perUnit > 60 ? 10 : 5;
        var ticks = new List<(double, string, bool)> { (X(0), "0", true) };
        foreach (var gate in strong)
        {
            ticks.Add((X(gate), byTime ? Figures.Split(Clock(gates, fit, gate)) : Figures.Number(gate / perUnit, 1), true));
        }

        for (var s = SecondStep; byTime && s < last; s += SecondStep)
        {
            var x = left + ((right - left) * s / last);
            if (strong.All(g => Math.Abs(X(g) - x) > 26))
            {
                ticks.Add((x, s.ToString(CultureInfo.InvariantCulture), false));
            }
        }

        for (var m = step; !byTime && m * perUnit < far; m += step)
        {
            if (strong.All(g => Math.Abs(X(g) - X(m * perUnit)) > 26))
            {
                ticks.Add((X(m * perUnit), m.ToString(CultureInfo.InvariantCulture), false));
            }
        }

        string? curvePath = null, band = null, topText = null;
        double? topY = null;
        var marks = new List<CurveMark>();
        var phases = new List<(double, double, string, string, bool)>();
        if (fit is not null)
        {
            var f = fit.StartBehindGateMetres;
            var line = new StringBuilder();
            var upper = new StringBuilder();
            var lower = new List<string>();
            for (var i = 0; i <= 120; i++)
            {
                var metres = far * Math.Pow(i / 120.0, 1.6);
                var t = fit.Curve.TimeTo(metres + f);
                var v = fit.Curve.SpeedAt(t);
                line.Append(CultureInfo.InvariantCulture, $"{(i == 0 ? 'M' : 'L')}{X(metres):0.#} {Y(v):0.#}");
                if (fit.Range90(fit.SpeedErrorAt(t)) is { } range)
                {
                    upper.Append(CultureInfo.InvariantCulture, $"{(i == 0 ? 'M' : 'L')}{X(metres):0.#} {Y(v + range):0.#}");
                    lower.Add(string.Create(CultureInfo.InvariantCulture, $"L{X(metres):0.#} {Y(Math.Max(0, v - range)):0.#}"));
                }
            }

            curvePath = line.ToString();
            lower.Reverse();
            band = lower.Count > 0 ? upper + string.Concat(lower) + "Z" : null;
            topY = Y(fit.Curve.Mss);
            topText = Figures.SpeedNumber(fit.Curve.Mss, reading);
            double previousTag = double.MinValue;
            foreach (var share in new[] { 0.90, 0.95 })
            {
                var metres = fit.Curve.DistanceAtShare(share) - f;
                if (metres > 0 && metres <= far)
                {
                    var tag = Math.Min(Math.Max(X(metres), previousTag + 100), right - 94);
                    previousTag = tag;
                    marks.Add(new(X(metres), Y(fit.Curve.Mss * share), $"{share * 100:0}% reached", Distance.InMetres(metres).To(unit) is var d ? Figures.Exact(d.Amount, 1) + " " + d.Symbol : "", tag));
                }
            }

            AddPhases(phases, fit, f, far, X);
        }

        return new(
            width, height, left, right, top, bottom,
            [.. segments.Select(s => (X(s.FromMetres), X(s.ToMetres) - X(s.FromMetres), Y(s.MeanSpeed)))],
            curvePath, band, topY, topText, marks,
            [.. Enumerable.Range(0, (int)(topUnits / speedStep) + 1).Select(i => (bottom - ((bottom - top) * i * speedStep / topUnits), (i * speedStep).ToString(CultureInfo.InvariantCulture)))],
            ticks, phases, Figures.SymbolOf(reading), byTime ? "s" : Distance.SymbolOf(unit))
        { IsByTime = byTime };
    }

    private static void AddPhases(List<(double, double, string, string, bool)> phases, SprintFitted fit, double behind, double far, Func<double, double> x)
    {
        foreach (var (phase, from, to) in SprintPhases.Of(fit.Curve, behind, far, fit.LeftOut.Count > 0 ? fit.Used[^1].Metres : null))
        {
            var (name, fill, dark) = Look(phase);
            var text = $"{name} {Figures.Number(from)}–{Figures.Number(to)} m";
            phases.Add((x(from), x(to) - x(from), x(to) - x(from) > text.Length * 7 ? text : x(to) - x(from) > 44 ? name : "", fill, dark));
        }
    }

    /// <summary>How a phase is called and filled.</summary>
    public static (string Name, string Fill, bool IsDark) Look(SprintPhase phase) => phase switch
    {
        SprintPhase.Start => ("start", "#E4D9BF", false),
        SprintPhase.Slowing => ("slowing", "#C9C2B2", false),
        SprintPhase.Drive => ("drive", KindLook.Of(WorkKind.Acceleration).Light, false),
        SprintPhase.Rise => ("rise", KindLook.Of(WorkKind.MaxVelocity).Light, false),
        _ => ("upright", KindLook.Of(WorkKind.MaxVelocity).Solid, true),
    };
}
