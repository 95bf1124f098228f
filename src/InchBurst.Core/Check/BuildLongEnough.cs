using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Check;

/// <summary>A flying zone needs 20 to 40 m of build (common practice).</summary>
public sealed class BuildLongEnough : IPlanCheck
{
    private const double ShortestMetres = 20;

    // A round figure in the unit the line is written in.
    private static Distance Enough(PlanLine line) => Distance.InMetres(ShortestMetres).To(line.Unit) is var there ? there with { Amount = line.Unit == DistanceUnit.Metre ? ShortestMetres : Math.Ceiling(there.Amount / 5) * 5 } : default;

    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        foreach (var demand in context.Demands.Where(d => d.IsTopSpeed))
        {
            var line = demand.Line;
            if (line.Shape is RunShape { Fly: { From: < ShortestMetres - 0.5 and > 0 } fly } run)
            {
                var at = run.Segments.ToList().FindIndex(s => s.Role == SegmentRole.Build);
                yield return new("build", Severity.Mind, $"Only {line.Says(fly.From)} of build before the fly", "A flying zone follows a 20 to 40 m build (common practice).", line.Id)
                {
                    Fixes = at < 0 ? [] : [new("Build " + Enough(line), context.Plan.Replace(line.Id, line with { Gates = [], Shape = new RunShape([.. run.Segments.Select((s, i) => i == at ? s with { Length = s.Length with { Amount = s.Length.Amount + Enough(line).Amount - Distance.InMetres(fly.From).To(s.Length.Unit).Amount } } : s)]) }))],
                };
            }
        }
    }
}
