using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Check;

/// <summary>Helped running stays small, on a straight with room, and never for beginners, the young or a sore hamstring.</summary>
public sealed class HelpStaysSmall : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        foreach (var demand in context.Demands.Where(d => d.IsAssisted))
        {
            var line = demand.Line;
            var ceiling = context.School["assisted.ceiling"];
            var quicker = -demand.Load.DecrementPercent;
            if (quicker > ceiling + 1e-6)
            {
                var load = demand.AppliedLoad!;
                yield return new("ceiling", Severity.Stop, $"Help of +{Figures.Number(quicker, 1)}% is over the ceiling of +{Figures.Number(ceiling, 1)}%", context.School.Of("assisted.ceiling").Reason, line.Id)
                {
                    Fixes = [new($"Help of +{Figures.Number(ceiling, 1)}%", context.Plan.Replace(line.Id, line with { Load = load with { Amount = ceiling, Unit = LoadUnit.PercentSpeed } }))],
                };
            }

            var sore = context.Restrictions.Where(r => !r.IsOut).Select(r => r.Name).ToList();
            yield return new("assisted", sore.Count > 0 ? Severity.Stop : Severity.Mind,
                sore.Count > 0 ? $"Helped running with {string.Join(", ", sore)} on modified training" : "Helped running stays small and straight",
                "Soft landing side, nobody in line with cord or band, spare straight behind; not for beginners or a sore hamstring. At most +5% of free speed in much of the literature (Haugen et al. 2019).", line.Id);
        }
    }
}
