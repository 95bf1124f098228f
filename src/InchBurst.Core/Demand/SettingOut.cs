using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Demand;

/// <summary>Something to be set out along the straight.</summary>
/// <param name="What">What stands there.</param>
/// <param name="Metres">Distance from the start line in m; negative is behind it.</param>
public sealed record SetPoint(string What, double Metres);

/// <summary>Where start, gates, cones and the end of the run stand, for setting out with a tape.</summary>
public static class SettingOut
{
    /// <summary>Points of a run in order along the straight.</summary>
    /// <param name="line">The line.</param>
    /// <param name="startBehindGateMetres">Distance from the start line to the first gate, m; the gates of the plan are measured from the first gate.</param>
    /// <returns>Points; empty when the line is no run.</returns>
    public static IReadOnlyList<SetPoint> Of(PlanLine line, double startBehindGateMetres = 0)
    {
        if (line.Shape is not RunShape run)
        {
            return [];
        }

        var points = new List<SetPoint> { new("start line", 0) };
        if (startBehindGateMetres > 0)
        {
            points.Add(new("first gate", startBehindGateMetres));
        }

        if (line.Start?.RunIn is { } runIn)
        {
            points.Add(new("begin the run-in", -runIn.Metres));
        }

        double at = 0, far = 0;
        for (var i = 0; i < run.Segments.Count; i++)
        {
            var s = run.Segments[i];
            if (s.Role is SegmentRole.Turn or SegmentRole.Cut)
            {
                points.Add(new($"{s.Role.ToString().ToLowerInvariant()} {Figures.Number(s.AngleDegrees ?? 180)}°{(s.Side is { } side ? " " + side.ToString().ToLowerInvariant() : "")}", at));
                continue;
            }

            at += s.Role == SegmentRole.Back ? -s.Length.Metres : s.Length.Metres;
            far = Math.Max(far, at);
            var next = i + 1 < run.Segments.Count ? run.Segments[i + 1] : null;
            if (next is not null && s.Role != SegmentRole.Back && next.Role is not (SegmentRole.Turn or SegmentRole.Cut))
            {
                points.Add(new(next.Role == SegmentRole.Back ? "turning line" : $"cone: {next.Role.ToString().ToLowerInvariant()} begins", at));
            }
        }

        points.AddRange(line.ExpectedMarks.Select(m => new SetPoint("gate " + m, m.Metres + startBehindGateMetres)));
        var last = line.ExpectedMarks.Count > 0 ? line.ExpectedMarks[^1].Metres + startBehindGateMetres : run.SprintMetres;
        if (line.Through is { } through)
        {
            points.Add(new("finish cone, run through it", last + through.Metres));
        }

        points.Add(new(run.Segments.Any(s => s.Role == SegmentRole.Slow) ? "stopped by here" : "end of the run", Math.Max(far, 0)));
        return [.. points.OrderBy(p => p.Metres)];
    }
}
