using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;

namespace InchBurst.Core.Check;

/// <summary>Jumps suit the day: long contacts with acceleration, short ones with top speed (common practice).</summary>
public sealed class ContactsSuitTheDay : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        // Build-ups that end at full speed are not what the day is for.
        var speed = context.Demands.Any(d => d is { IsTopSpeed: true, FullRep: 0 });
        var push = context.Demands.Any(d => d is { IsFullSprint: true, FullRep: 0, IsTopSpeed: false });
        if (speed == push)
        {
            yield break;
        }

        // Landings suit any day, and so do small jumps that prepare for the first sprint of the main part.
        var demands = context.Demands.ToList();
        var first = demands.FindIndex(d => d is { IsFullSprint: true, FullRep: 0 });
        foreach (var demand in demands.Where((d, at) => d.IsJumping && d.HardestEffort >= (at < first ? Limits.HeldPercent : Limits.HardPercent)))
        {
            var isLong = demand.LongContacts > demand.ShortContacts;
            if (speed == isLong && demand.LongContacts + demand.ShortContacts > 0)
            {
                var instead = speed ? "pogo hops 2 x 10 reps" : "broad jump 3 x 3 reps";
                yield return new("contact", Severity.Note, $"{demand.Exercise?.Name ?? ShorthandPrinter.Dose(demand.Line)} has {(isLong ? "long" : "short")} contacts on {(speed ? "a top-speed" : "an acceleration")} day", "Long ground contact goes with acceleration, short contact with top speed (common practice).", demand.Line.Id)
                {
                    Fixes = [new($"{(speed ? "Pogo hops" : "Broad jumps")} instead", context.Plan.Replace(demand.Line.Id, context.Line(instead)))],
                };
            }
        }
    }
}
