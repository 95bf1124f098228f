using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Core.Rest;
using InchBurst.Core.Shorthand;

namespace InchBurst.Core.Check;

/// <summary>Top speed before what tires: heavy loads, many long contacts, long hard runs, runs repeated with too little rest (common practice).</summary>
public sealed class FreshForSpeed : IPlanCheck
{
    private const double MostLongContacts = 20;
    private const double LongMetres = 90;
    private const double FeltShare = 0.97;

    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        var lines = context.Plan.Lines.ToList();
        for (var i = 0; i < lines.Count; i++)
        {
            if (!context.DemandOf(lines[i]).IsTopSpeed)
            {
                continue;
            }

            var tiring = lines.Take(i).FirstOrDefault(l => Tires(context, l));
            if (tiring is not null && context.Plan.BlockOf(lines[i].Id) is { } block && context.Plan.BlockOf(tiring.Id) is { } before)
            {
                var place = context.Plan.Blocks.ToList().FindIndex(b => b.Id == before.Id);
                yield return new("fresh", Severity.Mind, $"Top speed after {(tiring.Exercise ?? ShorthandPrinter.Dose(tiring)).ToLowerInvariant()}", "Speed is trained fresh: quality falls before volume helps (common practice).", lines[i].Id)
                {
                    Fixes = block.Id == before.Id ? [] : [new("Run top speed first", context.Plan.MoveBlock(block.Id, place))],
                };
            }
        }
    }

    // A drop of 3% by the estimate of repeated sprints, or a single hard run of 90 m and more, is felt in what follows (own rule).
    private static bool Tires(CheckContext context, PlanLine line)
    {
        var demand = context.DemandOf(line);
        if (demand.Load.IsHeavy || (demand.IsJumping && demand.LongContacts * line.Turns > MostLongContacts))
        {
            return true;
        }

        return demand is { IsHardSprint: true, Course: { } course }
            && (course.IntentMetres >= LongMetres
                || RepeatSprint.Shares(Math.Max(1, Enumerable.Range(0, line.TotalReps).Count(demand.IsFullRep)), demand.PaceAt(demand.HardestEffort).Seconds, RestRules.Between(demand, context.School).Seconds)[^1] < FeltShare);
    }
}
