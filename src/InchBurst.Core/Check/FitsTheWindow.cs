using InchBurst.Core.Demand;
using InchBurst.Core.Make;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Check;

/// <summary>The session must fit the time there is.</summary>
public sealed class FitsTheWindow : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        var over = context.Timeline.TotalSeconds - context.WindowSeconds;
        if (over > Limits.OverrunSeconds)
        {
            var group = context.Setting is { } s ? $"{s.Athletes} {(s.Athletes == 1 ? "athlete" : "athletes")} on {s.Lanes} {(s.Lanes == 1 ? "lane" : "lanes")}. " : "";
            yield return new("window", Severity.Stop, $"Overruns the {Figures.Number(context.WindowSeconds / 60)}-minute window by {Figures.Clock(over)}", group + "When it does not fit, take out reps before rest.")
            {
                Fixes = context.Setting is null ? [] : [.. FitOffers.For(context.Plan, context.Setting, context.WindowSeconds).Select(o => new PlanFix($"{o.Label} ({o.Cost})", o.Plan, o.Lanes == context.Setting.Lanes ? null : o.Lanes, o.EndSeconds))],
            };
        }
    }
}
