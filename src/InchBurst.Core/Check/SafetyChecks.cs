using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;
using InchBurst.Core.Rest;
using InchBurst.Core.Units;

namespace InchBurst.Core.Check;

/// <summary>Pain, a recent strain or illness is a stop; the way back to sprinting belongs to the clinician who treats the athlete.</summary>
public sealed class NotInFullTraining : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        if (!context.Plan.Lines.Any(PlanChecks.IsFullSprint))
        {
            yield break;
        }

        foreach (var person in context.Restrictions)
        {
            var reason = person.Reason.Length > 0 ? person.Reason + ". " : "";
            yield return new("restriction", Severity.Mind, $"{person.Name} is {(person.IsOut ? "out" : "on modified training")}", reason + "Return to full sprinting is for the clinician who treats the athlete.");
        }
    }
}

/// <summary>Helped running stays small, on a straight with room, and never for beginners, the young or a sore hamstring.</summary>
public sealed class HelpStaysSmall : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        foreach (var line in context.Plan.Lines.Where(l => l.Kind == WorkKind.Assisted))
        {
            var ceiling = context.School["assisted.ceiling"];
            if (line.Load is { Unit: LoadUnit.PercentSpeed } load && load.Amount > ceiling + 1e-9)
            {
                yield return new("ceiling", Severity.Stop, $"Help of +{Figures.Number(load.Amount, 1)}% is over the ceiling of +{Figures.Number(ceiling, 1)}%", context.School.Of("assisted.ceiling").Reason, line.Id)
                {
                    Fixes = [new($"Help of +{Figures.Number(ceiling, 1)}%", context.Plan.Replace(line.Id, line with { Load = load with { Amount = ceiling } }))],
                };
            }

            var sore = context.Restrictions.Where(r => !r.IsOut).Select(r => r.Name).ToList();
            yield return new("assisted", sore.Count > 0 ? Severity.Stop : Severity.Mind,
                sore.Count > 0 ? $"Helped running with {string.Join(", ", sore)} on modified training" : "Helped running stays small and straight",
                "Soft landing side, nobody in line with cord or band, spare straight behind; not for beginners or a sore hamstring. At most +5% of free speed in much of the literature (Haugen et al. 2019).", line.Id);
        }
    }
}

/// <summary>Children need less volume and no heavy loads or help.</summary>
public sealed class YoungAthletes : IPlanCheck
{
    /// <summary>Younger than this many years counts as young.</summary>
    public const int Young = 16;

    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        var young = context.Athletes.Where(a => a.Age < Young).ToList();
        if (young.Count == 0)
        {
            yield break;
        }

        foreach (var line in context.Plan.Lines.Where(l => l.Kind == WorkKind.Assisted || RestRules.IsHeavy(l) || (l.Load?.Kind == LoadKind.Lift && l.Load.Amount > 60)))
        {
            yield return new("young", Severity.Stop, $"{(line.Kind == WorkKind.Assisted ? "Helped running" : "A heavy load")} with {young.Count} under {Young}", "Children need less volume and no heavy loads or help; local rules decide.", line.Id)
            {
                Fixes = [new("Run it free", context.Plan.Replace(line.Id, line with { Load = null, Kind = PlanKinds.Derive(context.ExerciseOf(line) is { Kind: WorkKind.Resisted or WorkKind.Assisted } ? null : context.ExerciseOf(line), null, line.Shape, line.Effort, null), Exercise = context.ExerciseOf(line) is { Kind: WorkKind.Resisted or WorkKind.Assisted } ? null : line.Exercise }))],
            };
        }
    }
}

/// <summary>The cautions that belong to bands, sleds and hills; always shown.</summary>
public sealed class KitAndPeopleSafe : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        foreach (var line in context.Plan.Lines)
        {
            if (line.Load?.Kind is LoadKind.Band or LoadKind.Tow)
            {
                yield return new("bands", Severity.Note, "Check bands, cords and anchors before use", "They snap: nobody stands in line with them.", line.Id);
            }

            if (line.Load?.Kind is LoadKind.Sled or LoadKind.Uphill or LoadKind.Chain)
            {
                yield return new("lane", Severity.Note, "Sleds and hills on a clear lane", "Wait until the runner ahead has finished and walk back outside the lanes.", line.Id);
            }
        }
    }
}
