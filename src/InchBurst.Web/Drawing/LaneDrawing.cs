using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Web.Drawing;

/// <summary>A zone along the lane.</summary>
public sealed record LaneZone(double X, double Width, string Fill, string Label, bool Dark);

/// <summary>A gate on the lane with its leader up to an entry box.</summary>
public sealed record LaneGate(double X, string Label, double BoxX);

/// <summary>The straight for one line, to scale, distance left to right.</summary>
public sealed record LaneDrawing(
    double Width, double Left, double Right, IReadOnlyList<LaneZone> Zones, IReadOnlyList<LaneGate> Gates, double? ConeX, IReadOnlyList<(double X, string? Text, bool Strong)> Ticks, double EndX,
    double? WallX = null, string? RunPath = null, double PathHeight = 0, bool HasSled = false)
{
    /// <summary>Draws a line's run. Shuttles are drawn along their longest leg.</summary>
    public static LaneDrawing? Draw(PlanLine line, double width, double straightMetres, DistanceUnit unit, double left = 12, double runOutMetres = 0)
    {
        if (line.Shape is not RunShape run || run.Metres <= 0)
        {
            return null;
        }

        var zones = new List<(double From, double To, RunSegment Segment)>();
        double at = 0;
        foreach (var segment in run.Segments)
        {
            var back = segment.Role is SegmentRole.Back;
            var to = back ? at - segment.Length.Metres : at + segment.Length.Metres;
            if (segment.Length.Metres > 0 && !back)
            {
                zones.Add((at, to, segment));
            }

            at = Math.Max(0, to);
        }

        var end = zones.Max(z => z.To);
        var slow = run.Segments.Any(s => s.Role == SegmentRole.Slow) ? 0 : line.Kind.Queues() ? 20 : 0;
        var reach = Math.Max(end + slow, line.ExpectedMarks.Select(m => m.Metres).DefaultIfEmpty(0).Max());
        var room = straightMetres + runOutMetres;
        var shown = Math.Max(reach, Math.Min(Math.Max(straightMetres, room), reach * 1.25));
        double? wall = runOutMetres > 0 && room <= shown + 0.01 ? room : null;
        var right = width - 8;
        var perMetre = (right - left) / shown;
        double X(double metres) => left + (metres * perMetre);

        var drawn = new List<LaneZone>();
        foreach (var (from, to, segment) in zones)
        {
            var (fill, dark) = Fill(line, segment.Role);
            var label = segment.Length + (segment.Role == SegmentRole.Run ? "" : " " + segment.Role.ToString().ToLowerInvariant());
            var w = X(to) - X(from);
            drawn.Add(new(X(from), w, fill, w > label.Length * 7.6 ? label : w > 40 ? segment.Length.ToString() : "", dark));
        }

        if (slow > 0)
        {
            var w = X(reach) - X(end);
            drawn.Add(new(X(end), w, KindLook.Of(WorkKind.Turn).Light, w > 80 ? "slow down" : "", false));
        }

        if (shown > reach + 0.5)
        {
            drawn.Add(new(X(reach), right - X(reach), "#FFFFFF", right - X(reach) > 60 ? "spare" : "", false));
        }

        var marks = line.ExpectedMarks;
        var gates = marks.Select((m, i) => new LaneGate(X(m.Metres), m.ToString(), width * (i + 0.5) / marks.Count)).ToArray();
        var step = shown > 80 ? 20 : shown > 24 ? 10 : shown > 9 ? 5 : 1;
        var perUnit = new Distance(1, unit).Metres;
        var ticks = new List<(double, string?, bool)>();
        for (var i = 0; i * perUnit <= shown + 1e-9 && i < 400; i++)
        {
            var strong = marks.Any(m => Math.Abs(m.Metres - (i * perUnit)) < 0.01);
            ticks.Add((X(i * perUnit), i % step == 0 || strong ? i.ToString(System.Globalization.CultureInfo.InvariantCulture) : null, strong));
        }

        var last = marks.Count > 0 ? marks[^1].Metres : end;
        double? cone = line.Through is { } through ? X(last + through.Metres) : null;
        var (path, height) = Path(run, X, perMetre);
        return new(
            width, left, right, drawn, gates, cone, ticks, X(end), wall is { } w2 ? X(w2) : null, path, height,
            line.Load?.Kind is LoadKind.Sled or LoadKind.Chain);
    }

    // Legs of a shuttle lie one above the other; cuts and turns go off at their angle, to the same scale as the lane.
    private static (string? Path, double Height) Path(RunShape run, Func<double, double> x, double perMetre)
    {
        if (run.Segments.All(s => s.Role is not (SegmentRole.Back or SegmentRole.Turn or SegmentRole.Cut)))
        {
            return (null, 0);
        }

        double px = 0, py = 0, heading = 0;
        var points = new List<(double X, double Y)> { (0, 0) };
        foreach (var s in run.Segments)
        {
            if (s.Role is SegmentRole.Turn or SegmentRole.Cut)
            {
                heading += (s.Side == Side.Right ? 1 : -1) * (s.AngleDegrees ?? 180) * Math.PI / 180;
                if ((s.AngleDegrees ?? 180) >= 150)
                {
                    py -= 9 / perMetre;
                    points.Add((px, py));
                }

                continue;
            }

            var way = s.Role == SegmentRole.Back ? -1 : 1;
            if (points.Count > 1 && s.Role is SegmentRole.Back or SegmentRole.Up)
            {
                py -= 9 / perMetre;
                points.Add((px, py));
            }

            px += way * Math.Cos(heading) * s.Length.Metres;
            py += way * Math.Sin(heading) * s.Length.Metres;
            points.Add((px, py));
        }

        var top = points.Min(p => p.Y);
        var squeeze = Math.Min(1, 90 / Math.Max(1, (points.Max(p => p.Y) - top) * perMetre));
        var text = string.Join(' ', points.Select((p, i) => string.Create(System.Globalization.CultureInfo.InvariantCulture, $"{(i == 0 ? 'M' : 'L')}{x(p.X):0.#} {((p.Y - top) * perMetre * squeeze) + 8:0.#}")));
        return (text, ((points.Max(p => p.Y) - top) * perMetre * squeeze) + 18);
    }

    private static (string Fill, bool Dark) Fill(PlanLine line, SegmentRole role) => role switch
    {
        SegmentRole.Fly or SegmentRole.Fast => (KindLook.Of(WorkKind.MaxVelocity).Solid, true),
        SegmentRole.Build => (KindLook.Of(WorkKind.Acceleration).Light, false),
        SegmentRole.Float => (KindLook.Of(WorkKind.MaxVelocity).Light, false),
        SegmentRole.Slow or SegmentRole.Walk or SegmentRole.Jog => (KindLook.Of(WorkKind.Turn).Light, false),
        _ => (KindLook.Of(line.Kind).Light, false),
    };
}
