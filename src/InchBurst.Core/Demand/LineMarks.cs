using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Demand;

/// <summary>Where times of a line are expected.</summary>
public static class LineMarks
{
    /// <summary>Distances along the path from the start line at which a time is expected: the gates, or else the ends of the fly, or the end of a hard run or of one whose time is asked for.</summary>
    /// <param name="demand">What the line asks.</param>
    public static IReadOnlyList<Distance> Expected(LineDemand demand)
    {
        if (demand.Line.Gates.Count > 0)
        {
            return demand.Line.Gates;
        }

        if (demand.Course is not { } course || demand.Line.Shape is not RunShape run || !(demand.IsHardSprint || demand.Line.Log.Contains(MeasureKind.Time) || demand.Line.Goal is { Seconds: not null }))
        {
            return [];
        }

        var unit = run.Segments.First(s => !s.IsTurn).Length.Unit;
        if (run.Fly is { } fly)
        {
            return [Distance.InMetres(fly.From).To(unit), Distance.InMetres(fly.To).To(unit)];
        }

        return course.IntentEnd > 0 ? [Distance.InMetres(course.IntentEnd).To(unit)] : [];
    }

    /// <summary>The zone whose time matters most: the fly, or two gates far from the start no more than 30 m apart; null when the time from the start does.</summary>
    /// <param name="demand">What the line asks.</param>
    public static (Distance From, Distance To)? Zone(LineDemand demand)
    {
        var marks = Expected(demand);
        if (demand.Line.Shape is RunShape { Fly: { } fly })
        {
            var from = marks.FirstOrDefault(m => Math.Abs(m.Metres - fly.From) < 0.005);
            var to = marks.FirstOrDefault(m => Math.Abs(m.Metres - fly.To) < 0.005);
            return from.Amount > 0 && to.Amount > 0 ? (from, to) : null;
        }

        return demand.Course is { IsStraightSprint: true } && marks is [{ Metres: >= Limits.FlyingFromMetres } first, var last] && last.Metres - first.Metres <= LongestZoneMetres ? (first, last) : null;
    }

    private const double LongestZoneMetres = 30;
}
