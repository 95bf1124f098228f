using InchBurst.Core.Make;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Check;

/// <summary>No full effort without a warm-up as long as the school asks (at least 10 minutes, common practice).</summary>
public sealed class WarmUpFirst : IPlanCheck
{
    // Less easy movement than the shortest raising takes is no warm-up (3 minutes, common practice).
    private const double NoneSeconds = 180;

    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        var first = context.Timeline.FirstFull(context.DemandOf);
        if (first is null)
        {
            yield break;
        }

        var seconds = context.Timeline.WarmUpSeconds(context.DemandOf);
        var least = context.School["warmup.least"] * 60;
        if (seconds < NoneSeconds)
        {
            var minutes = (int)Math.Clamp(context.School["warmup.least"], WarmUpMaker.LeastMinutes, WarmUpMaker.MostMinutes);
            yield return new("warm-up", Severity.Stop, "Full efforts without a warm-up", $"Hamstrings are hurt most by sprinting cold. Put at least {minutes} minutes before the first full effort. {context.School.Of("warmup.least").Reason}", first.Line.Id)
            {
                Fixes = context.Setting is { } setting
                    ? [new($"Put a {minutes}-minute warm-up first", context.Plan.PutBlock(null, WarmUpMaker.Make(new(minutes, DayKind.Mixed, context.StraightMetres < 35, false, setting, context.Plan.LastId))))]
                    : [],
            };
        }
        else if (seconds < least - 1)
        {
            var raise = context.Plan.Lines.FirstOrDefault(l => l.Shape is TimedShape && context.DemandOf(l) is { Warms: true, Movement: Motion.Jog });
            var longer = Math.Ceiling((least - seconds) / 15) * 15;
            yield return new("warm-up", Severity.Mind, $"Only {Figures.Clock(seconds)} of warm-up before the first full effort", $"The school asks for {Figures.Number(context.School["warmup.least"])} minutes. {context.School.Of("warmup.least").Reason}", first.Line.Id)
            {
                Fixes = raise is { Shape: TimedShape time } ? [new($"Raise for {Figures.Clock(longer)} longer", context.Plan.Replace(raise.Id, raise with { Shape = new TimedShape(time.Seconds + longer) }))] : [],
            };
        }
    }
}
