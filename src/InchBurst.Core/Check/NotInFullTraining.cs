using InchBurst.Core.Demand;
using InchBurst.Core.Plan;

namespace InchBurst.Core.Check;

/// <summary>Pain, a recent strain or illness is a stop; the way back to hard work belongs to the clinician who treats the athlete. Whatever tissue is loaded hard, the held are seen.</summary>
public sealed class NotInFullTraining : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        var loaded = context.Demands.Aggregate(Tissues.None, (all, d) => all | d.Tissues);
        if (loaded == Tissues.None)
        {
            yield break;
        }

        foreach (var person in context.Restrictions)
        {
            var reason = person.Reason.Length > 0 ? person.Reason + ". " : "";
            yield return new("restriction", Severity.Mind, $"{person.Name} is {(person.IsOut ? "out" : "on modified training")}", $"{reason}This session loads {TissueRules.Text(loaded)} hard. Return to full work is for the clinician who treats the athlete.");
        }
    }
}
