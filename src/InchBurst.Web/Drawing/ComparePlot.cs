using System.Globalization;
using System.Text;
using InchBurst.Core.Plan;
using InchBurst.Core.Progress;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;

namespace InchBurst.Web.Drawing;

/// <summary>A stretch between two gates, with who gains there.</summary>
public sealed record CompareCell(double X, double Width, string Path, string Fill, string Now, string Then, string Gained, bool IsMost);

/// <summary>The end of both curves drawn taller, on the same metres.</summary>
/// <param name="X">Left edge.</param>
/// <param name="Y">Upper edge.</param>
/// <param name="Width">Width.</param>
/// <param name="Height">Height.</param>
/// <param name="Now">The first curve as a path.</param>
/// <param name="Then">The second.</param>
/// <param name="NowBand">Range of the first; null without one.</param>
/// <param name="ThenBand">Range of the second.</param>
/// <param name="Ticks">Speeds at its edge.</param>
/// <param name="Times">How many times taller it is.</param>
public sealed record CompareLens(double X, double Y, double Width, double Height, string Now, string Then, string? NowBand, string? ThenBand, IReadOnlyList<(double Y, string Text)> Ticks, string Times);

/// <summary>Two sides over the same straight: speed above, who is ahead below, splits under it; one scale of distance for all.</summary>
public sealed record ComparePlot(
    double Width, double Left, double Right, double SpeedTop, double SpeedBottom, double DeltaTop, double DeltaBottom, double Zero,
    string? NowPath, string? ThenPath, string? NowBand, string? ThenBand, string NowTop, string ThenTop, double NowY, double ThenY,
    IReadOnlyList<(double Y, string Text)> SpeedTicks, IReadOnlyList<(double Y, string Text)> DeltaTicks, IReadOnlyList<(double X, string Text, bool Strong)> DistanceTicks,
    IReadOnlyList<(double X, double Y, double High, double Low, string Text, bool Strong)> Gates, string RangePath, string Line, IReadOnlyList<CompareCell> Cells,
    IReadOnlyList<(string Who, IReadOnlyList<(double X, double Width, string Text, string Fill, bool Dark)> Phases)> Lanes, (double From, double To, string Text)? Most, string SpeedSymbol, string DistanceSymbol)
{
    /// <summary>The last metres drawn taller; null where there is no room or a curve is missing.</summary>
    public CompareLens? Lens { get; private init; }

    // The lens lies over at most so many of the last metres, and at most half of the way.
    private const double LensMetres = 20;
    private const double LensHeight = 62;

    private const double Even = 0.005;
    private const int Points = 80;

    /// <summary>Draws a comparison.</summary>
    public static ComparePlot Draw(RunComparison of, SprintFitted? now, SprintFitted? then, double width, SpeedReading reading, DistanceUnit unit)
    {
        var wide = width > 500;
        var (left, right) = (wide ? 64.0 : 40.0, width - 14);
        var far = of.Marks[^1].At.Metres;
        double X(double metres) => left + ((right - left) * metres / far);

        // Speed.
        var (speedTop, speedBottom) = (26.0, wide ? 158.0 : 130.0);
        var per = Figures.SpeedIn(1, reading);
        var step = reading == SpeedReading.MetresPerSecond ? 5.0 : 10.0;
        var most = Math.Ceiling(Math.Max(now?.Curve.Mss ?? 8, then?.Curve.Mss ?? 8) * 1.04 * per / step) * step;
        double SpeedY(double v) => speedBottom - ((speedBottom - speedTop) * Math.Clamp(v * per / most, 0, 1));
        (string? Path, string? Band) Over(SprintFitted? fit, double first, Func<double, double> y)
        {
            if (fit is null)
            {
                return (null, null);
            }

            var (line, upper, lower) = (new StringBuilder(), new StringBuilder(), new List<string>());
            for (var i = 0; i <= Points; i++)
            {
                var metres = first + ((far - first) * Math.Pow(i / (double)Points, 1.7));
                var t = fit.Curve.TimeTo(metres + fit.StartBehindGateMetres);
                var v = fit.Curve.SpeedAt(t);
                line.Append(CultureInfo.InvariantCulture, $"{(i == 0 ? 'M' : 'L')}{X(metres):0.#} {y(v):0.##}");
                if (fit.Range90(fit.SpeedErrorAt(t)) is { } range)
                {
                    upper.Append(CultureInfo.InvariantCulture, $"{(i == 0 ? 'M' : 'L')}{X(metres):0.#} {y(v + range):0.##}");
                    lower.Add(string.Create(CultureInfo.InvariantCulture, $"L{X(metres):0.#} {y(v - range):0.##}"));
                }
            }

            lower.Reverse();
            return (line.ToString(), lower.Count == 0 ? null : upper + string.Concat(lower) + "Z");
        }

        (string? Path, string? Band) Curve(SprintFitted? fit) => Over(fit, 0, SpeedY);
        var (nowPath, nowBand) = Curve(now);
        var (thenPath, thenBand) = Curve(then);

        CompareLens? lens = null;
        if (wide && now is not null && then is not null)
        {
            var first = Math.Max(far / 2, far - LensMetres);
            (double Least, double Most) Ends(SprintFitted fit)
            {
                double At(double metres, int sign) => fit.Curve.TimeTo(metres + fit.StartBehindGateMetres) is var t ? fit.Curve.SpeedAt(t) + (sign * (fit.Range90(fit.SpeedErrorAt(t)) ?? 0)) : 0;
                return (At(first, -1), At(far, 1));
            }

            var (least, greatest) = (Math.Min(Ends(now).Least, Ends(then).Least), Math.Max(Ends(now).Most, Ends(then).Most));
            var (top, bottom) = (speedBottom - LensHeight - 4, speedBottom - 4);
            double LensY(double v) => bottom - 4 - ((bottom - top - 8) * (v - least) / (greatest - least));
            var (nowLens, thenLens) = (Over(now, first, LensY), Over(then, first, LensY));
            // Figures stand a line apart.
            var fine = new[] { 0.1, 0.2, 0.5, 1.0, 2 }.First(s => (bottom - top - 8) / (greatest - least) / per * s >= 17 || s == 2);
            lens = new(
                X(first), top, X(far) - X(first), bottom - top, nowLens.Path!, thenLens.Path!, nowLens.Band, thenLens.Band,
                [.. Enumerable.Range((int)Math.Ceiling(least * per / fine), 40).Select(i => i * fine).TakeWhile(v => v <= greatest * per).Where(v => LensY(v / per) < bottom - 8 && LensY(v / per) > top + 8).Select(v => (LensY(v / per), v.ToString("0.0", CultureInfo.InvariantCulture)))],
                ((bottom - top - 8) / (greatest - least) / ((speedBottom - speedTop) * per / most)).ToString("0.0", CultureInfo.InvariantCulture));
        }

        // Who is ahead, in hundredths; up is ahead now.
        var laneTop = speedBottom + 10;
        var (deltaTop, deltaBottom) = (laneTop + 76, laneTop + 76 + (wide ? 262.0 : 200.0));
        var high = Math.Max(0.02, of.Marks.Max(m => Math.Max(0, m.Gain + m.Range90)));
        var low = Math.Max(0.02, of.Marks.Max(m => Math.Max(0, m.Range90 - m.Gain)));
        var tick = Nice((high + low) / 5);
        (high, low) = (Math.Ceiling(high / tick) * tick, Math.Ceiling(low / tick) * tick);
        double DeltaY(double seconds) => deltaTop + ((deltaBottom - deltaTop) * (high - seconds) / (high + low));

        // Between gates the fitted curves carry the line, moved so that it meets the measured gates.
        var line = new List<(double Metres, double Gain)> { (0, 0) };
        var cells = new List<CompareCell>();
        var (from, before, nowBefore, thenBefore, shownBefore) = (0.0, 0.0, 0.0, 0.0, 0.0);
        foreach (var mark in of.Marks)
        {
            var stretch = Between(now, then, from, before, mark.At.Metres, mark.Gain);
            line.AddRange(stretch.Skip(1));
            var (gained, shown) = (mark.Gain - before, mark.Shown - shownBefore);
            var isMost = of.MostWon is { } won && Math.Abs(won.From - from) < 0.01 && Math.Abs(won.To - mark.At.Metres) < 0.01;
            cells.Add(new(
                X(from), X(mark.At.Metres) - X(from),
                string.Concat(stretch.Select((p, i) => string.Create(CultureInfo.InvariantCulture, $"{(i == 0 ? 'M' : 'L')}{X(p.Metres):0.#} {DeltaY(p.Gain):0.#}"))) + string.Create(CultureInfo.InvariantCulture, $"L{X(mark.At.Metres):0.#} {DeltaY(0):0.#}L{X(from):0.#} {DeltaY(0):0.#}Z"),
                Math.Abs(gained) < Even ? KindLook.Of(WorkKind.MaxVelocity).Tint : gained > 0 ? KindLook.Of(WorkKind.MaxVelocity).Hue : "url(#then-gains)",
                Figures.Split(Math.Round(mark.Now, 2) - nowBefore), Figures.Split(Math.Round(mark.Then, 2) - thenBefore), Math.Abs(shown) < Even ? "0.00" : Figures.Signed(shown), isMost));
            (from, before, nowBefore, thenBefore, shownBefore) = (mark.At.Metres, mark.Gain, Math.Round(mark.Now, 2), Math.Round(mark.Then, 2), mark.Shown);
        }

        var upperRange = string.Concat(of.Marks.Select(m => string.Create(CultureInfo.InvariantCulture, $"L{X(m.At.Metres):0.#} {DeltaY(m.Gain + m.Range90):0.#}")));
        var lowerRange = string.Concat(of.Marks.Reverse().Select(m => string.Create(CultureInfo.InvariantCulture, $"L{X(m.At.Metres):0.#} {DeltaY(m.Gain - m.Range90):0.#}")));
        var start = string.Create(CultureInfo.InvariantCulture, $"M{X(0):0.#} {DeltaY(0):0.#}");
        var perUnit = new Distance(1, unit).Metres;
        var grid = Enumerable.Range(0, (int)(far / perUnit / 5) + 1).Select(i => i * 5.0).Where(m => of.Marks.All(k => Math.Abs(X(k.At.Metres) - X(m * perUnit)) > 24));
        return new(
            width, left, right, speedTop, speedBottom, deltaTop, deltaBottom, DeltaY(0), nowPath, thenPath, nowBand, thenBand,
            now is null ? "" : Figures.SpeedNumber(now.Curve.Mss, reading), then is null ? "" : Figures.SpeedNumber(then.Curve.Mss, reading), SpeedY(now?.Curve.SpeedAtDistance(far) ?? 0), SpeedY(then?.Curve.SpeedAtDistance(far) ?? 0),
            [.. Enumerable.Range(0, (int)(most / step) + 1).Select(i => (SpeedY(i * step / per), (i * step).ToString("0", CultureInfo.InvariantCulture)))],
            [.. Enumerable.Range(0, (int)Math.Round((high + low) / tick) + 1).Select(i => -low + (i * tick)).Select(s => (DeltaY(s), Hundredths(s)))],
            [.. grid.Select(m => (X(m * perUnit), m.ToString("0", CultureInfo.InvariantCulture), false)), .. of.Marks.Select(m => (X(m.At.Metres), Figures.Number(m.At.Metres / perUnit, 1), true))],
            [.. of.Marks.Select((m, i) => (X(m.At.Metres), DeltaY(m.Gain), DeltaY(m.Gain + m.Range90), DeltaY(m.Gain - m.Range90), Math.Abs(m.Shown) < Even ? "level" : Hundredths(m.Shown), i == of.Marks.Count - 1))],
            start + upperRange + lowerRange + "Z",
            string.Concat(line.Select((p, i) => string.Create(CultureInfo.InvariantCulture, $"{(i == 0 ? 'M' : 'L')}{X(p.Metres):0.#} {DeltaY(p.Gain):0.#}"))),
            cells, [.. new[] { ("now", now), ("then", then) }.Where(s => s.Item2 is not null).Select(s => (s.Item1, Phases(s.Item2!, far, X)))],
            of.MostWon is { } m && of.Marks.Count > 1 && Math.Abs(m.Seconds) >= Math.Abs(of.Marks[^1].Gain) / 2 && Math.Abs(m.Seconds) <= Math.Abs(of.Marks[^1].Gain) ? (X(m.From), X(m.To), $"{Hundredths(Math.Abs(m.Seconds)).TrimStart('+')} of the {Hundredths(Math.Abs(of.Marks[^1].Shown)).TrimStart('+')} hundredths") : null,
            Figures.SymbolOf(reading), Distance.SymbolOf(unit))
        {
            Lens = lens,
        };
    }

    /// <summary>Seconds as whole hundredths with their sign.</summary>
    public static string Hundredths(double seconds)
    {
        var whole = (int)Math.Round(seconds * 100);
        return whole == 0 ? "0" : whole > 0 ? "+" + whole.ToString(CultureInfo.InvariantCulture) : "−" + (-whole).ToString(CultureInfo.InvariantCulture);
    }

    private static double Nice(double step) => new[] { 0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5 }.FirstOrDefault(s => s >= step, 10);

    private static List<(double Metres, double Gain)> Between(SprintFitted? now, SprintFitted? then, double from, double before, double to, double gain)
    {
        const int Parts = 12;
        var points = new List<(double, double)>();
        double Fitted(double metres) => now is null || then is null ? 0 : Time(then, metres) - Time(now, metres);
        var (atFrom, atTo) = (Fitted(from), Fitted(to));
        for (var i = 0; i <= Parts; i++)
        {
            var share = i / (double)Parts;
            var metres = from + ((to - from) * share);
            points.Add((metres, before + ((gain - before) * share) + (Fitted(metres) - atFrom - ((atTo - atFrom) * share))));
        }

        return points;
    }

    private static double Time(SprintFitted fit, double metres) => fit.Curve.TimeTo(metres + fit.StartBehindGateMetres) - fit.Curve.TimeTo(fit.StartBehindGateMetres) + fit.ClockOffsetSeconds;

    private static List<(double X, double Width, string Text, string Fill, bool Dark)> Phases(SprintFitted fit, double far, Func<double, double> x)
    {
        var phases = new List<(double, double, string, string, bool)>();
        foreach (var (phase, from, to) in SprintPhases.Of(fit.Curve, fit.StartBehindGateMetres, far, fit.LeftOut.Count > 0 ? fit.Used[^1].Metres : null))
        {
            var (name, fill, dark) = BurstCurve.Look(phase);
            var text = phase == SprintPhase.Upright ? name : $"{name} to {Figures.Exact(to, 1)} m";
            phases.Add((x(from), x(to) - x(from), x(to) - x(from) > text.Length * 6.6 ? text : x(to) - x(from) > name.Length * 6.6 ? name : "", fill, dark));
        }

        return phases;
    }
}
