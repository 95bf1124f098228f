using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Plan;

namespace InchBurst.Core.Check;

/// <summary>Children need less volume and no heavy loads or help.</summary>
public sealed class YoungAthletes : IPlanCheck
{
    private const double HeaviestLiftPercent = 60;

    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        var young = context.Athletes.Where(a => a.IsYoung).ToList();
        if (young.Count == 0)
        {
            yield break;
        }

        foreach (var line in context.Plan.Lines)
        {
            var demand = context.DemandOf(line);
            var heavy = young.Any(a => context.DemandOf(line, a) is { Load.IsHeavy: true }) || (demand.Movement == Motion.Lift && demand.AppliedLoad is { Kind: LoadKind.Lift } lift && (lift.ShareOfMaximum ?? (lift.Amount * lift.Pieces)) > HeaviestLiftPercent);
            if (!demand.IsAssisted && !heavy)
            {
                continue;
            }

            // The exercise stays when it is not the load itself.
            var kept = demand.Exercise is { UsualLoad: null } free ? free : null;
            var effort = line.Effort ?? (kept is null && demand.Exercise is { } had ? new Effort([Math.Min(had.Effort, 100)]) : null);
            yield return new("young", Severity.Stop, $"{(demand.IsAssisted ? "Helped running" : "A heavy load")} with {young.Count} under {Limits.YoungYears}", "Children need less volume and no heavy loads or help; local rules decide.", line.Id)
            {
                Fixes = [new(demand.Movement == Motion.Lift ? "No load on the bar" : "Run it free", context.Plan.Replace(line.Id, line with { Load = null, Exercise = kept is null ? null : line.Exercise, Effort = effort, Kind = PlanKinds.Derive(kept, null, line.Shape, effort, null, line.Goal) }))],
            };
        }
    }
}
