using InchBurst.Core.Plan;

namespace InchBurst.Core.Check;

/// <summary>Raising the pulse comes before the first full effort (common practice).</summary>
public sealed class WarmUpInOrder : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        var lines = context.Plan.Lines.ToList();
        var full = lines.FindIndex(l => context.DemandOf(l).IsFull);

        // Easy movement after the hard work is good, as long as the pulse was raised before it.
        var late = full < 0 || lines.Take(full).Any(l => context.DemandOf(l).RaisesPulse) ? -1 : lines.FindIndex(full, l => context.DemandOf(l).RaisesPulse);
        if (late > full && context.Plan.BlockOf(lines[late].Id) is { } block)
        {
            yield return new("order", Severity.Mind, $"{lines[late].Exercise ?? "Easy movement"} comes after full efforts", "A warm-up goes general to specific and slow to fast, before the main part (common practice).", lines[late].Id)
            {
                Fixes = block.Lines.Any(l => context.DemandOf(l).IsFull) ? [] : [new("Move it first", context.Plan.MoveBlock(block.Id, 0))],
            };
        }
    }
}
