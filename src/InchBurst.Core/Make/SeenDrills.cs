using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;

namespace InchBurst.Core.Make;

/// <summary>Drills that answer what was seen, put into the next session.</summary>
public static class SeenDrills
{
    // Coming down and stretching are asked at 30% and less.
    private const double MostOfTheEnd = 30;

    /// <summary>
    /// A plan with exercises of the catalogue added, in their usual dose, before the first hard run, or before what comes down at the end; those everybody has already are left out.
    /// </summary>
    /// <param name="plan">The plan.</param>
    /// <param name="drills">Exercises as lines of shorthand, with whom they are for where it is not everybody; what cannot be read is passed over.</param>
    /// <param name="context">What the lines are read with.</param>
    public static SessionPlan Into(SessionPlan plan, IEnumerable<string> drills, ShorthandContext context)
    {
        var lines = drills.Select(d => PlanText.ReadOne(d, context).Block?.Lines[0]).OfType<PlanLine>()
            .Where(d => d.Exercise is not null && plan.Lines.All(l => l.For.Count > 0 || !d.Exercise.Equals(l.Exercise, StringComparison.OrdinalIgnoreCase))).DistinctBy(d => (d.Exercise, string.Join(',', d.For))).ToList();
        if (lines.Count == 0)
        {
            return plan;
        }

        var first = plan.Blocks.ToList().FindIndex(b => b.Lines.Any(l => LineDemand.Of(l, context.Catalogue).IsHardSprint));
        var added = plan.Add(new PlanBlock(0, "Drills for what was seen", lines));
        if (first < 0)
        {
            // Nothing hard: before the easy end.
            var end = plan.Blocks.Reverse().TakeWhile(b => b.Lines.All(l => LineDemand.Of(l, context.Catalogue).HardestEffort <= MostOfTheEnd)).Count();
            first = plan.Blocks.Count - end;
        }

        return added.MoveBlock(added.Blocks[^1].Id, first);
    }
}
