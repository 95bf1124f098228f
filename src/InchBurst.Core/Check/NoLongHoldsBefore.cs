using InchBurst.Core.Plan;

namespace InchBurst.Core.Check;

/// <summary>Long static holds belong after the session (common practice).</summary>
public sealed class NoLongHoldsBefore : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        var lines = context.Plan.Lines.ToList();
        var last = lines.FindLastIndex(l => context.DemandOf(l).IsFull);
        foreach (var hold in lines.Take(Math.Max(0, last)).Where(l => context.ExerciseOf(l)?.StaticHold == true))
        {
            var without = context.Plan.Remove(hold.Id);
            yield return new("holds", Severity.Mind, $"{hold.Exercise} before full efforts", "Long static holds take away spring for a while; they belong after the session (common practice).", hold.Id)
            {
                Fixes = [new("Move it to the end", without.Add(hold, context.ExerciseOf(hold)?.Family))],
            };
        }
    }
}
