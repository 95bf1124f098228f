using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Demand;

/// <summary>Something to be set out.</summary>
/// <param name="What">What stands there.</param>
/// <param name="Metres">Along the straight from the start line, m; negative is behind it.</param>
/// <param name="SideMetres">To the left of the straight, m; negative is to the right.</param>
/// <param name="PathMetres">Distance run until there, m; null for what is not on the path.</param>
public sealed record SetPoint(string What, double Metres, double SideMetres = 0, double? PathMetres = null);

/// <summary>Where start, gates, cones, turns and the end of the run stand on the ground, for setting out with a tape.</summary>
public static class SettingOut
{
    /// <summary>Points in the order in which the athlete passes them.</summary>
    /// <param name="demand">What the line asks.</param>
    /// <param name="startBehindGateMetres">Distance from the start line to the first gate, m; the gates of the plan are measured from the first gate.</param>
    /// <returns>Points; empty when the line is no run.</returns>
    public static IReadOnlyList<SetPoint> Of(LineDemand demand, double startBehindGateMetres = 0)
    {
        if (demand.CourseFrom(startBehindGateMetres) is not { } course)
        {
            return [];
        }

        SetPoint At(string what, double path)
        {
            var ground = course.PointAt(path);
            return new(what, Clean(ground.X), Clean(ground.Y), path);
        }

        var line = demand.Line;
        var points = new List<SetPoint> { At("start line", 0) };
        if (startBehindGateMetres > 0)
        {
            points.Add(At("first gate", startBehindGateMetres));
        }

        if (line.Start?.RunIn is { } runIn)
        {
            points.Add(new("begin the run-in", -runIn.Metres, PathMetres: -runIn.Metres));
        }

        foreach (var turn in course.Turns)
        {
            var implied = !turn.IsCut && turn.Side is null && turn.Degrees >= 179 && course.Legs.Any(l => l.Role == SegmentRole.Back);
            points.Add(At(implied ? "turning line" : $"{(turn.IsCut ? "cut" : "turn")} {Figures.Number(turn.Degrees)}°{(turn.Side is { } side ? " " + side.ToString().ToLowerInvariant() : "")}", turn.AtMetres));
        }

        for (var i = 0; i + 1 < course.Legs.Count; i++)
        {
            var next = course.Legs[i + 1];
            if (course.Turns.All(t => Math.Abs(t.AtMetres - next.FromMetres) > 1e-9))
            {
                points.Add(At($"cone: {NameOf(next)} begins", next.FromMetres));
            }
        }

        var marks = LineMarks.Expected(demand);
        points.AddRange(marks.Select(m => At("gate " + m, m.Metres + startBehindGateMetres)));
        if (line.Through is { } through)
        {
            points.Add(At("finish cone, run through it", (marks.Count > 0 ? marks[^1].Metres + startBehindGateMetres : course.IntentEnd) + through.Metres));
        }

        points.Add(At(course.Legs.Any(l => l.Role == SegmentRole.Slow) ? "stopped by here" : "end of the run", course.Metres));
        return [.. points.OrderBy(p => p.PathMetres)];
    }

    /// <summary>What a leg is called: its purpose, or how it is travelled.</summary>
    /// <param name="leg">The leg.</param>
    public static string NameOf(CourseLeg leg) => leg.Movement != Motion.Sprint ? leg.Movement.ToString().ToLowerInvariant() : leg.Role.ToString().ToLowerInvariant();

    private static double Clean(double metres) => Math.Round(metres, 6) + 0.0;
}
