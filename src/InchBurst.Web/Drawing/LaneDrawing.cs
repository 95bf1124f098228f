using InchBurst.Core.Demand;
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
    double? WallX = null, bool HasSled = false)
{
    /// <summary>Draws a line's run along the straight. Legs that come back, and those beside it, are drawn by <see cref="CourseDrawing"/>.</summary>
    public static LaneDrawing? Draw(LineDemand demand, double width, double straightMetres, DistanceUnit unit, double left = 12, double runOutMetres = 0)
    {
        var line = demand.Line;
        if (demand.Course is not { Metres: > 0 } course)
        {
            return null;
        }

        var ahead = course.Legs.Where(l => l.To.X > l.From.X + 1e-6 && Math.Abs(l.To.Y) < 0.01 && Math.Abs(l.From.Y) < 0.01).ToList();
        var zones = new List<(double From, double To, CourseLeg Leg)>();
        foreach (var leg in ahead)
        {
            // A shuttle goes over the same metres again: each is drawn once.
            var from = Math.Max(Math.Max(0, leg.From.X), zones.Select(z => z.To).DefaultIfEmpty(0).Max());
            if (leg.To.X > from + 1e-6)
            {
                zones.Add((from, leg.To.X, leg));
            }
        }

        var end = zones.Select(z => z.To).DefaultIfEmpty(course.FarMetres).Max();
        var marks = LineMarks.Expected(demand);
        double At(Distance mark) => course.PointAt(mark.Metres).X;
        var last = course.Legs[^1];
        var slow = last.HasIntent && last.To.X > end - 0.01 && Math.Cos(last.TravelDegrees * Math.PI / 180) > 0.5 ? demand.StopMetres : 0;
        var reach = Math.Max(Math.Max(end + slow, marks.Select(At).DefaultIfEmpty(0).Max()), 1);
        var room = straightMetres + runOutMetres;
        var shown = Math.Max(reach, Math.Min(Math.Max(straightMetres, room), reach * 1.25));
        double? wall = runOutMetres > 0 && room <= shown + 0.01 ? room : null;
        var right = width - 8;
        var perMetre = (right - left) / shown;
        double X(double metres) => left + (metres * perMetre);

        var drawn = new List<LaneZone>();
        foreach (var (from, to, leg) in zones)
        {
            var (fill, dark) = Fill(line, leg);
            var length = Distance.InMetres(Math.Round(to - from, 4)).To(unit).ToString();
            var label = length + (leg is { Role: SegmentRole.Run, Movement: Motion.Sprint } ? "" : " " + SettingOut.NameOf(leg));
            var w = X(to) - X(from);
            drawn.Add(new(X(from), w, fill, w > label.Length * 7.6 ? label : w > 40 ? length : "", dark));
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

        var gates = marks.Select((m, i) => new LaneGate(X(At(m)), m.ToString(), width * (i + 0.5) / marks.Count)).ToArray();
        var step = shown > 80 ? 20 : shown > 24 ? 10 : shown > 9 ? 5 : 1;
        var perUnit = new Distance(1, unit).Metres;
        var ticks = new List<(double, string?, bool)>();
        for (var i = 0; i * perUnit <= shown + 1e-9 && i < 400; i++)
        {
            var strong = marks.Any(m => Math.Abs(At(m) - (i * perUnit)) < 0.01);
            ticks.Add((X(i * perUnit), i % step == 0 || strong ? i.ToString(System.Globalization.CultureInfo.InvariantCulture) : null, strong));
        }

        double? cone = line.Through is { } through ? X((marks.Count > 0 ? At(marks[^1]) : end) + through.Metres) : null;
        return new(width, left, right, drawn, gates, cone, ticks, X(end), wall is { } stands ? X(stands) : null, demand.AppliedLoad?.Kind is LoadKind.Sled or LoadKind.Chain);
    }

    private static (string Fill, bool Dark) Fill(PlanLine line, CourseLeg leg) => leg switch
    {
        { Role: SegmentRole.Fly or SegmentRole.Fast } => (KindLook.Of(WorkKind.MaxVelocity).Solid, true),
        { Role: SegmentRole.Build } => (KindLook.Of(WorkKind.Acceleration).Light, false),
        { Role: SegmentRole.Float } => (KindLook.Of(WorkKind.MaxVelocity).Light, false),
        { HasIntent: false } => (KindLook.Of(WorkKind.Turn).Light, false),
        { Movement: Motion.Bound or Motion.Hop } => (KindLook.Of(WorkKind.Jumps).Light, false),
        { Movement: not Motion.Sprint } => (KindLook.Of(WorkKind.Drill).Light, false),
        _ => (KindLook.Of(line.Kind).Light, false),
    };
}
