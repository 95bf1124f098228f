using InchBurst.Core.Plan;

namespace InchBurst.Core.Check;

/// <summary>Slowing down is taught, not assumed (common practice).</summary>
public sealed class SlowingDownTaught : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        var full = context.Plan.Lines.LastOrDefault(l => context.DemandOf(l).IsFullSprint);
        if (full is not null && context.Demands.All(d => !d.TeachesStopping))
        {
            var at = context.Plan.Blocks.ToList().FindIndex(b => b.Lines.Any(l => l.Id == full.Id));
            var added = context.Plan.Add(new PlanBlock(0, WorkKind.Turn.Name(), [context.Line("stick the stop 2 x 15 m @80% rest walk-back")]));
            yield return new("slow down", Severity.Note, "No work on slowing down", "Stopping and cutting are taught: first 20 m to stop, then less, hips low and a foot ahead (common practice).")
            {
                Fixes = [new("Add stick the stop, 2 × 15 m", added.MoveBlock(added.Blocks[^1].Id, at + 1))],
            };
        }
    }
}
