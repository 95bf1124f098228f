using InchBurst.Core.Plan;
using InchBurst.Core.Rest;
using InchBurst.Core.Units;

namespace InchBurst.Core.Check;

/// <summary>Rest after full reps as long as the school's rule for what is run.</summary>
public sealed class RestByRule : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        foreach (var line in context.Plan.Lines.Where(l => l.TotalReps > 1 && l.Rest is not null))
        {
            var demand = context.DemandOf(line);
            var rule = Enumerable.Range(0, line.TotalReps - 1).Where(r => demand.HasSprint && demand.IsFullRep(r)).Select(r => RestRules.AfterRep(demand, r, context.School)).MaxBy(r => r.Seconds);
            if (rule is null)
            {
                continue;
            }

            var written = RestRules.Between(demand, context.School);
            var real = context.Timeline.Items.Where(i => i.Line.Id == line.Id).Min(i => i.ShortestRestSeconds) ?? written.Seconds;
            if (Math.Max(written.Seconds, real) < rule.Seconds - 1)
            {
                yield return new("rest", Severity.Mind, $"Rest {Figures.Clock(written.Seconds)} is under the rule of {Figures.Clock(rule.Seconds)}", $"{rule.Reason}. The queue gives {Figures.Clock(real)}.{(rule.Key is { } key ? " " + context.School.Of(key).Reason : "")}", line.Id)
                {
                    Fixes = [new($"Rest {Figures.Clock(rule.Seconds)}", context.Plan.Replace(line.Id, line with { Rest = (line.Rest ?? new()) with { RepSeconds = Math.Ceiling(rule.Seconds), Per = null, WalkBack = false, OfWork = null, EverySeconds = null } }))],
                };
            }
        }
    }
}
