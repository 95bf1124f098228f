using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Check;

/// <summary>Times compare when athletes stop after the line, not at it: short timed runs go through a finish cone (common practice).</summary>
public sealed class RunThroughTheLine : IPlanCheck
{
    private const double LongestMetres = 20;

    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        if (context.School["through.metres"] <= 0)
        {
            yield break;
        }

        foreach (var demand in context.Demands.Where(d => d is { IsFullSprint: true, FullRep: 0, IsTopSpeed: false, IsResisted: false, IsAssisted: false, Course.IsStraightSprint: true } && d.Line.Through is null))
        {
            var end = demand.IntentMetres;
            var marks = LineMarks.Expected(demand);
            if (end <= LongestMetres && demand.Course!.Legs.All(l => l.HasIntent) && marks.Count > 0 && marks[^1].Metres >= end - 0.01)
            {
                // As many yards as metres are wished: a round figure on the ground.
                var cone = new Distance(context.School["through.metres"] * (demand.Line.Unit == DistanceUnit.Foot ? 3 : 1), demand.Line.Unit);
                yield return new("through", Severity.Note, $"{demand.Line.Says(end)} timed with no run-through", $"Athletes stop at the line they are timed to. {context.School.Of("through.metres").Reason}", demand.Line.Id)
                {
                    Fixes = [new($"Cone {cone} past the line", context.Plan.Replace(demand.Line.Id, demand.Line with { Through = cone }))],
                };
            }
        }
    }
}
