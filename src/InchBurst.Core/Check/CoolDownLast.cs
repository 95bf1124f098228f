using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Check;

/// <summary>Easy minutes after the last full effort (common practice).</summary>
public sealed class CoolDownLast : IPlanCheck
{
    private const double EasyPercent = 50;

    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        var least = context.School["cooldown.least"] * 60;
        var last = context.Timeline.Items.ToList().FindLastIndex(i => context.DemandOf(i.Line).IsFull);
        if (least <= 0 || last < 0)
        {
            yield break;
        }

        var seconds = SessionTimeline.Spanned(context.Timeline.Items.Skip(last + 1).Where(i => context.DemandOf(i.Line) is { HardestEffort: < EasyPercent, Tissues: Tissues.None }));
        if (seconds < least - 1)
        {
            var longer = $"{Math.Ceiling((least - seconds) / 60)} min";
            yield return new("cool-down", Severity.Note, seconds == 0 ? "No cool-down" : $"Only {Figures.Clock(seconds)} of cool-down", context.School.Of("cooldown.least").Reason)
            {
                Fixes = [new($"Add {longer} of cool-down", context.Plan.Add(context.Line("cool-down " + longer), "cool-down"))],
            };
        }
    }
}
