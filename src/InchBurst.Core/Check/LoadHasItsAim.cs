using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Check;

/// <summary>A load is judged by its aim: for top speed within the bracket, for acceleration up to what the school pulls; never one by the other. What counts is what it takes off speed, in whatever unit it is written.</summary>
public sealed class LoadHasItsAim : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        foreach (var demand in context.Demands.Where(d => d.IsResisted && d.Course is not null))
        {
            var line = demand.Line;
            var slower = demand.Load.DecrementPercent;
            var topSpeed = demand.IsForTopSpeed;
            var key = topSpeed ? "load.bracket" : "load.heaviest";
            if (slower > context.School[key] + 1e-9)
            {
                var about = demand.AppliedLoad is { Unit: LoadUnit.PercentSpeed } ? "" : "about ";
                var much = demand.Load.CannotMove ? "A load that cannot be moved" : $"{(about.Length > 0 ? "About " : "")}{Figures.Number(slower)}% slower";
                yield return new("load", Severity.Mind,
                    topSpeed ? $"{much} is outside the top-speed bracket of {Figures.Number(context.School[key])}%" : $"{much} is heavier than this school pulls ({Figures.Number(context.School[key])}%)",
                    context.School.Of(key).Reason + (about.Length > 0 ? " Worked out for a typical athlete; friction and sled differ." : ""), line.Id)
                {
                    Fixes = [new($"Load for −{Figures.Number(context.School[key])}%", context.Plan.Replace(line.Id, line with { Load = new(demand.AppliedLoad!.Kind, -context.School[key], LoadUnit.PercentSpeed) }))],
                };
            }
            else
            {
                // The same kilograms are heavier for the light and the slow: whoever it is too heavy for is named.
                var over = context.Athletes.Where(a => context.Covers(line, a)).Select(a => (a.Name, Slower: context.DemandOf(line, a).Load.DecrementPercent)).Where(a => a.Slower > context.School[key] + 0.5).OrderByDescending(a => a.Slower).ToList();
                if (over.Count > 0)
                {
                    yield return new("load", Severity.Mind, $"{(over.Count == 1 ? over[0].Name : $"{over[0].Name} and {over.Count - 1} more")}: {Figures.Number(over[0].Slower)}% slower, over the {Figures.Number(context.School[key])}% of {(topSpeed ? "the top-speed bracket" : "this school")}",
                        context.School.Of(key).Reason + " Said as a change of speed, each athlete takes their own kilograms.", line.Id)
                    {
                        Fixes = [new($"Load for \u2212{Figures.Number(context.School[key])}%", context.Plan.Replace(line.Id, line with { Load = new(demand.AppliedLoad!.Kind, -context.School[key], LoadUnit.PercentSpeed) }))],
                    };
                }
            }
        }
    }
}
