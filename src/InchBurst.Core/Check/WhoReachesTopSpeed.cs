using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Check;

/// <summary>A top-speed run should bring athletes near their own top speed.</summary>
public sealed class WhoReachesTopSpeed : IPlanCheck
{
    private const double ReachesFromPercent = 95;
    private const double MostLonger = 30;

    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        if (context.Athletes.Count == 0)
        {
            yield break;
        }

        var wanted = context.School["reach.topspeed"] / 100;
        foreach (var demand in context.Demands.Where(d => d is { IsTopSpeed: true, IsAssisted: false } && d.HardestEffort >= ReachesFromPercent))
        {
            var line = demand.Line;
            var athletes = context.AthletesOf(line);
            var reach = athletes.Count(a => context.DemandOf(line, a).PeakShare >= wanted);
            if (reach == athletes.Count)
            {
                continue;
            }

            var estimated = athletes.Count(a => a.Estimated);
            var run = (RunShape)line.Shape;
            var longer = run.Segments.ToList();
            var at = longer.FindIndex(s => s.Role is SegmentRole.Build or SegmentRole.Run);
            var needed = athletes.Max(a => a.Curve.DistanceAtShare(Math.Min(0.99, wanted * 100 / demand.HardestEffort)));
            var longerBy = new Distance(Math.Ceiling(Distance.InMetres(needed - demand.IntentMetres).To(line.Unit).Amount / 5 - 1e-9) * 5, line.Unit);
            var extra = longerBy.Metres;
            var fix = at >= 0 && extra is > 0 and <= MostLonger && demand.IntentMetres + extra <= context.StraightMetres
                ? context.Plan.Replace(line.Id, line with { Gates = [], Shape = new RunShape([.. longer.Select((s, i) => i == at ? s with { Length = s.Length with { Amount = s.Length.Amount + longerBy.To(s.Length.Unit).Amount } } : s)]) })
                : null;
            yield return new("reaches", reach == 0 ? Severity.Mind : Severity.Note,
                $"This {line.Says(demand.IntentMetres)} gives top-speed work to {reach} of {athletes.Count}",
                $"Counted at {Figures.Number(wanted * 100)}% of each athlete's own top speed{(estimated > 0 ? $"; {estimated} without a curve are taken from the group" : "")}. {context.School.Of("reach.topspeed").Reason}", line.Id)
            {
                Fixes = fix is null ? [] : [new($"Make the run-up {longerBy} longer", fix)],
            };
        }
    }
}
