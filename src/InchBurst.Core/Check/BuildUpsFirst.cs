using InchBurst.Core.Demand;
using InchBurst.Core.Plan;

namespace InchBurst.Core.Check;

/// <summary>Two or more runs that rise to near full speed before full sprints; mini-hurdles serve on a top-speed day (common practice).</summary>
public sealed class BuildUpsFirst : IPlanCheck
{
    private const double NearFullPercent = 80;

    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        var lines = context.Plan.Lines.ToList();
        var sprint = lines.FindIndex(l => context.DemandOf(l).IsFullSprint);
        if (sprint < 0 || lines.Take(sprint).Any(l => context.DemandOf(l) is { IsBuildUp: true, HardestEffort: >= NearFullPercent }) || RisesItself(context.DemandOf(lines[sprint])))
        {
            yield break;
        }

        yield return new("build-ups", Severity.Mind, "Full efforts without build-ups before them", "About three runs, rising to near full speed, lead from drills to sprinting (common practice).", lines[sprint].Id)
        {
            Fixes = [new("Put 3 build-ups before", context.Before(lines[sprint].Id, "Build-ups", "build-up 3 x 20 m @75,80,85% rest walk-back"))],
        };
    }

    // A list of efforts may hold its own build-ups: two hard reps before the first full one.
    private static bool RisesItself(LineDemand demand) =>
        demand.FullRep is { } full && Enumerable.Range(0, full).Count(r => demand.EffortOf(r) >= Limits.HardPercent) >= 2;
}
