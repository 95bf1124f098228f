using InchBurst.Core.Plan;

namespace InchBurst.Core.Check;

/// <summary>The cautions that belong to bands, sleds and hills; always shown.</summary>
public sealed class KitAndPeopleSafe : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        foreach (var demand in context.Demands)
        {
            if (demand.AppliedLoad?.Kind is LoadKind.Band or LoadKind.Tow)
            {
                yield return new("bands", Severity.Note, "Check bands, cords and anchors before use", "They snap: nobody stands in line with them.", demand.Line.Id);
            }

            if (demand.AppliedLoad?.Kind is LoadKind.Sled or LoadKind.Uphill or LoadKind.Chain)
            {
                yield return new("lane", Severity.Note, "Sleds and hills on a clear lane", "Wait until the runner ahead has finished and walk back outside the lanes.", demand.Line.Id);
            }
        }
    }
}
