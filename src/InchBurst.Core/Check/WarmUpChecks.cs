using InchBurst.Core.Make;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Check;

/// <summary>No full sprint without a warm-up as long as the school asks (at least 10 minutes, common practice).</summary>
public sealed class WarmUpFirst : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        var first = context.Timeline.Items.FirstOrDefault(i => PlanChecks.IsFullSprint(i.Line));
        if (first is null)
        {
            yield break;
        }

        var before = context.Timeline.Items.TakeWhile(i => i != first).Where(i => i.Line.Kind != WorkKind.CoolDown && !PlanChecks.IsFullSprint(i.Line)).ToList();
        var seconds = before.Sum(i => i.Seconds);
        var least = context.School["warmup.least"] * 60;
        if (before.All(i => i.Line.Kind is not (WorkKind.Raise or WorkKind.Mobilise)))
        {
            var minutes = (int)Math.Clamp(context.School["warmup.least"], WarmUpMaker.LeastMinutes, WarmUpMaker.MostMinutes);
            yield return new("warm-up", Severity.Stop, "Full sprints without a warm-up", $"Hamstrings are hurt most by sprinting cold. Put at least {minutes} minutes before the first full effort. {context.School.Of("warmup.least").Reason}", first.Line.Id)
            {
                Fixes = context.Setting is { } setting
                    ? [new($"Put a {minutes}-minute warm-up first", context.Plan.PutBlock(null, WarmUpMaker.Make(new(minutes, DayKind.Mixed, context.StraightMetres < 35, false, setting, context.Plan.LastId))))]
                    : [],
            };
        }
        else if (seconds < least - 1)
        {
            var raise = context.Plan.Lines.FirstOrDefault(l => l.Kind == WorkKind.Raise && l.Shape is TimedShape);
            var longer = Math.Ceiling((least - seconds) / 15) * 15;
            yield return new("warm-up", Severity.Mind, $"Only {Figures.Clock(seconds)} before the first full sprint", $"The school asks for {Figures.Number(context.School["warmup.least"])} minutes. {context.School.Of("warmup.least").Reason}", first.Line.Id)
            {
                Fixes = raise is { Shape: TimedShape time } ? [new($"Raise for {Figures.Clock(longer)} longer", context.Plan.Replace(raise.Id, raise with { Shape = new TimedShape(time.Seconds + longer) }))] : [],
            };
        }
    }
}

/// <summary>Warm-up lines come before the first full sprint, and raising comes before the rest (common practice).</summary>
public sealed class WarmUpInOrder : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        var lines = context.Plan.Lines.ToList();
        var sprint = lines.FindIndex(PlanChecks.IsFullSprint);
        var late = sprint < 0 ? -1 : lines.FindIndex(sprint, l => l.Kind is WorkKind.Raise);
        if (late > sprint && context.Plan.BlockOf(lines[late].Id) is { } block)
        {
            yield return new("order", Severity.Mind, $"{lines[late].Exercise ?? "Raising"} comes after full sprints", "A warm-up goes general to specific and slow to fast, before the main part (common practice).", lines[late].Id)
            {
                Fixes = block.Lines.Any(PlanChecks.IsFullSprint) ? [] : [new("Move it first", context.Plan.MoveBlock(block.Id, 0))],
            };
        }
    }
}

/// <summary>Long static holds belong after the session (common practice).</summary>
public sealed class NoLongHoldsBefore : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        var lines = context.Plan.Lines.ToList();
        var lastSprint = lines.FindLastIndex(PlanChecks.IsFullSprint);
        foreach (var hold in lines.Take(Math.Max(0, lastSprint)).Where(l => l.Kind != WorkKind.CoolDown || lastSprint >= 0).Where(l => context.ExerciseOf(l)?.StaticHold == true))
        {
            var without = context.Plan.Remove(hold.Id);
            yield return new("holds", Severity.Mind, $"{hold.Exercise} before sprinting", "Long static holds take away spring for a while; they belong after the session (common practice).", hold.Id)
            {
                Fixes = [new("Move it to the end", without.Add(hold, context.ExerciseOf(hold)?.Family))],
            };
        }
    }
}

/// <summary>Two or more build-ups, rising to near full speed, before full efforts; mini-hurdles serve on a top-speed day (common practice).</summary>
public sealed class BuildUpsFirst : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        var lines = context.Plan.Lines.ToList();
        var sprint = lines.FindIndex(PlanChecks.IsFullSprint);
        if (sprint < 0 || lines.Take(sprint).Any(l => l.Shape is RunShape && l.Kind is WorkKind.Acceleration or WorkKind.MaxVelocity or WorkKind.Drill && l.HardestEffort >= 80)
            || lines.Take(sprint).Any(l => context.ExerciseOf(l)?.Name == "mini-hurdle run"))
        {
            yield break;
        }

        yield return new("build-ups", Severity.Mind, "Full efforts without build-ups before them", "About three runs, rising to near full speed, lead from drills to sprinting (common practice).", lines[sprint].Id)
        {
            Fixes = [new("Put 3 build-ups before", context.Before(lines[sprint].Id, "Build-ups", "build-up 3 x 20 m @75,85,90% rest walk-back"))],
        };
    }
}
