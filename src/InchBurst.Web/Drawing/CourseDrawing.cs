using System.Globalization;
using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Web.Drawing;

/// <summary>A leg of a course from above.</summary>
public sealed record CourseStroke(double X1, double Y1, double X2, double Y2, string Stroke, string? Dashes, string Label, double LabelX, double LabelY);

/// <summary>A point to set out, from above.</summary>
public sealed record CourseDot(double X, double Y, string Kind, string Label, double LabelX, double LabelY, string Anchor);

/// <summary>A course that turns or leaves the straight, from above and to scale: legs side by side where they cover the same ground, points where they are set out.</summary>
public sealed record CourseDrawing(double Width, double Height, IReadOnlyList<CourseStroke> Legs, IReadOnlyList<CourseDot> Dots, double ScaleX, double ScaleWidth, string ScaleText)
{
    private const double Side = 34;
    private const double Over = 36;
    private const double Foot = 24;
    private const double Apart = 20;
    private const double MostHeight = 240;

    /// <summary>Draws a line's course; null for a straight one and for work that is no run.</summary>
    public static CourseDrawing? Draw(LineDemand demand, double width, double startBehindGateMetres)
    {
        if (demand.Course is not { } course || (course.Turns.Count == 0 && !course.LeavesTheLine))
        {
            return null;
        }

        // Legs over the same ground lie side by side: the second one a lane further, and so on.
        var lanes = new int[course.Legs.Count];
        for (var i = 0; i < lanes.Length; i++)
        {
            lanes[i] = Enumerable.Range(0, i).Where(k => Overlap(course.Legs[k], course.Legs[i])).Select(k => lanes[k] + 1).DefaultIfEmpty(0).Max();
        }

        var points = course.Legs.SelectMany(l => new[] { l.From, l.To }).ToList();
        var (minX, maxX, minY, maxY) = (points.Min(p => p.X), points.Max(p => p.X), points.Min(p => p.Y), points.Max(p => p.Y));
        var spread = lanes.Max() * Apart;
        var scale = Math.Min((width - (2 * Side)) / Math.Max(1, maxX - minX), (MostHeight - (2 * Over) - spread) / Math.Max(0.1, maxY - minY));
        var height = ((maxY - minY) * scale) + spread + (2 * Over) + 14;
        double X(double x) => Side + ((x - minX) * scale);
        double Y(double y, int lane) => Over + ((maxY - y) * scale) + (lane * Apart);

        var strokes = course.Legs.Select((l, i) =>
        {
            var (x1, y1, x2, y2) = (X(l.From.X), Y(l.From.Y, lanes[i]), X(l.To.X), Y(l.To.Y, lanes[i]));
            var name = SettingOut.NameOf(l);
            var length = Figures.Number(l.Metres, 1) + " m";
            var label = Math.Abs(x2 - x1) > 70 ? name == "run" ? length : $"{length} {name}" : "";
            return new CourseStroke(
                x1, y1, x2, y2,
                l.HasIntent && l.Movement == Motion.Sprint ? KindLook.Of(WorkKind.MaxVelocity).Solid : KindLook.Of(WorkKind.Turn).Solid,
                l.Movement == Motion.Sprint ? null : "6 4",
                label, (x1 + x2) / 2, Math.Min(y1, y2) - (lanes[i] > 0 ? 5 : 8));
        }).ToList();

        // What stands at one place is named together, above the first lane or below the last.
        var dots = new List<CourseDot>();
        var set = SettingOut.Of(demand, startBehindGateMetres).Where(p => !p.What.StartsWith("cone:", StringComparison.Ordinal)).ToList();
        foreach (var place in set.GroupBy(p => (Math.Round(p.Metres, 2), Math.Round(p.SideMetres, 2))))
        {
            var what = string.Join(", ", place.Select(p => p.What).Distinct());
            var (x, y) = (X(place.Key.Item1), Y(place.Key.Item2, 0));
            var kinds = place.Select(p => p.What.StartsWith("gate", StringComparison.Ordinal) || p.What == "first gate" ? "gate" : p.What == "start line" ? "start" : "turn").Distinct().ToList();

            // A gate that stands where something else does is drawn with it; plain turning points give way.
            kinds = kinds.Count > 1 ? [.. kinds.Where(k => k != "turn")] : kinds;
            var anchor = x < width * 0.3 ? "start" : x > width * 0.7 ? "end" : "middle";
            dots.AddRange(kinds.Select((kind, i) => new CourseDot(x, y, kind, i == 0 ? what : "", anchor == "start" ? x - 6 : anchor == "end" ? x + 6 : x, y + (lanes.Max() * Apart) + 24, anchor)));
        }

        // Labels that would lie over each other step down.
        var placed = new List<CourseDot>();
        foreach (var dot in dots.OrderBy(d => d.X))
        {
            var down = dot;
            while (placed.Any(o => Math.Abs(o.LabelY - down.LabelY) < 13 && Near(o, down)))
            {
                down = down with { LabelY = down.LabelY + 13 };
            }

            placed.Add(down);
        }

        height = Math.Max(height, placed.Select(d => d.LabelY + 6).DefaultIfEmpty(0).Max()) + Foot;
        var step = (maxX - minX) * scale > 0 && scale * 10 <= width / 2 ? 10 : 5;
        return new(width, Math.Ceiling(height), strokes, placed, width - 8 - (step * scale), step * scale, step.ToString(CultureInfo.InvariantCulture) + " m");
    }

    private static bool Near(CourseDot a, CourseDot b)
    {
        var (a1, a2) = Range(a);
        var (b1, b2) = Range(b);
        return a1 < b2 + 6 && b1 < a2 + 6;
    }

    private static (double From, double To) Range(CourseDot dot)
    {
        var wide = dot.Label.Length * 6.0;
        return dot.Anchor switch { "start" => (dot.LabelX, dot.LabelX + wide), "end" => (dot.LabelX - wide, dot.LabelX), _ => (dot.LabelX - (wide / 2), dot.LabelX + (wide / 2)) };
    }

    private static bool Overlap(CourseLeg a, CourseLeg b)
    {
        var along = Math.Abs(Math.Sin((a.TravelDegrees - b.TravelDegrees) * Math.PI / 180)) < 0.01;
        var (sin, cos) = Math.SinCos(a.TravelDegrees * Math.PI / 180);
        double Place(GroundPoint p) => (p.X * cos) + (p.Y * sin);
        double Off(GroundPoint p) => (p.Y * cos) - (p.X * sin);
        var (a1, a2) = (Math.Min(Place(a.From), Place(a.To)), Math.Max(Place(a.From), Place(a.To)));
        var (b1, b2) = (Math.Min(Place(b.From), Place(b.To)), Math.Max(Place(b.From), Place(b.To)));
        return along && Math.Abs(Off(a.From) - Off(b.From)) < 0.05 && a1 < b2 - 0.05 && b1 < a2 - 0.05;
    }
}
