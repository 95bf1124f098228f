using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Check;

/// <summary>No more full metres, runs at top speed and jump contacts than the school allows.</summary>
public sealed class NotTooMuch : IPlanCheck
{
    private const int MostDropped = 60;

    private static readonly (string Name, string Key, Func<LineDemand, bool> Counts)[] Kinds =
    [
        ("acceleration", "volume.acceleration", d => d is { IsFullSprint: true, IsTopSpeed: false, IsResisted: false, IsAssisted: false }),
        ("max velocity", "volume.maxvelocity", IsTopSpeed),
        ("running with a load", "volume.resisted", d => d is { IsFullSprint: true, IsResisted: true }),
        ("running with help", "volume.assisted", d => d is { IsFullSprint: true, IsAssisted: true }),
    ];

    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        foreach (var (name, key, counts) in Kinds)
        {
            // Metres of build-ups are not full metres.
            double Full(SessionPlan plan) => plan.Blocks.Sum(b => b.Lines.Select(context.DemandOf).Where(counts).Sum(d => Volume.Of(d, b.Rounds).FullMetres));
            var metres = Full(context.Plan);
            if (metres > context.School[key])
            {
                yield return new("volume", Severity.Mind, $"{Figures.Number(metres)} m of {name}, over {Figures.Number(context.School[key])}", context.School.Of(key).Reason, Biggest(context, context.Plan, counts)?.Id)
                {
                    Fixes = Fewer(context, counts, p => Full(p) <= context.School[key]),
                };
            }
        }

        int Runs(SessionPlan plan) => plan.Blocks.Sum(b => b.Rounds * b.Lines.Select(context.DemandOf).Where(IsTopSpeed).Sum(d => d.Line.Turns));
        if (Runs(context.Plan) > context.School["reps.flies"])
        {
            yield return new("runs", Severity.Mind, $"{Runs(context.Plan)} runs at top speed, over {Figures.Number(context.School["reps.flies"])}", context.School.Of("reps.flies").Reason, Biggest(context, context.Plan, IsTopSpeed)?.Id)
            {
                Fixes = Fewer(context, IsTopSpeed, p => Runs(p) <= context.School["reps.flies"]),
            };
        }

        double Contacts(SessionPlan plan) => plan.Blocks.Sum(b => b.Lines.Sum(l => Volume.Of(context.DemandOf(l), b.Rounds).JumpContacts));
        if (Contacts(context.Plan) > context.School["volume.contacts"])
        {
            yield return new("contacts", Severity.Mind, $"{Figures.Number(Contacts(context.Plan))} ground contacts of jumps, over {Figures.Number(context.School["volume.contacts"])}", context.School.Of("volume.contacts").Reason, Biggest(context, context.Plan, Jumps)?.Id)
            {
                Fixes = Fewer(context, Jumps, p => Contacts(p) <= context.School["volume.contacts"]),
            };
        }
    }

    private static bool IsTopSpeed(LineDemand demand) => demand is { IsTopSpeed: true, IsAssisted: false };

    private static bool Jumps(LineDemand demand) => demand.IsJumping;

    private static PlanLine? Biggest(CheckContext context, SessionPlan plan, Func<LineDemand, bool> counts) => plan.Lines.Where(l => counts(context.DemandOf(l))).MaxBy(l => l.TotalReps);

    // Reps go from the line that has most of them until the number holds.
    private static IReadOnlyList<PlanFix> Fewer(CheckContext context, Func<LineDemand, bool> counts, Func<SessionPlan, bool> holds)
    {
        var plan = context.Plan;
        for (var dropped = 1; dropped <= MostDropped; dropped++)
        {
            var line = Biggest(context, plan, counts);
            if (line is null || line.TotalReps == 1)
            {
                return [];
            }

            plan = plan.Replace(line.Id, line.Reps > 1 ? line with { Reps = line.Reps - 1 } : line with { Sets = line.Sets - 1 });
            if (holds(plan))
            {
                return [new("Take reps out until it holds", plan)];
            }
        }

        return [];
    }
}
