using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Core.Rest;
using InchBurst.Core.Units;

namespace InchBurst.Core.Check;

/// <summary>A run needs the straight for its metres and room to stop behind it: 20 m from top speed, 10 m after a short start (common practice).</summary>
public sealed class RoomToRun : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        var room = context.StraightMetres + context.RunOutMetres;
        foreach (var line in context.Plan.Lines)
        {
            if (line.Shape is not RunShape run || !line.Kind.IsSprint() || run.Segments.Any(s => s.Role == SegmentRole.Back))
            {
                continue;
            }

            var hasSlow = run.Segments.Any(s => s.Role == SegmentRole.Slow);
            var needed = run.Metres + (hasSlow ? 0 : run.SprintMetres >= 20 ? 20 : 10);
            if (run.SprintMetres > context.StraightMetres + 1e-6)
            {
                yield return new("room", Severity.Stop, $"{Figures.Number(run.SprintMetres, 1)} m of sprint on a {Figures.Number(context.StraightMetres, 1)} m straight", "The fast part must end on the straight.", line.Id);
            }
            else if (needed > room + 1e-6)
            {
                yield return new("room", Severity.Stop, $"No room to stop after {Figures.Number(run.SprintMetres, 1)} m", $"Running and stopping take {Figures.Number(needed, 1)} m; straight and run-out give {Figures.Number(room, 1)} m. The run-out must be free of walls and people.", line.Id);
            }
        }
    }
}

/// <summary>Rest as long as the school's rule for the kind and distance.</summary>
public sealed class RestByRule : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        foreach (var line in context.Plan.Lines.Where(l => l.TotalReps > 1 && l.Rest is not null && PlanChecks.IsFullSprint(l)))
        {
            var rule = RestRules.ByRule(line, context.School);
            var written = RestRules.Between(line, context.School);
            var real = context.Timeline.Items.Where(i => i.Line.Id == line.Id).Min(i => i.ShortestRestSeconds) ?? written.Seconds;
            if (Math.Max(written.Seconds, real) < rule.Seconds - 1)
            {
                yield return new("rest", Severity.Mind, $"Rest {Figures.Clock(written.Seconds)} is under the rule of {Figures.Clock(rule.Seconds)}", $"{rule.Reason}. The queue gives {Figures.Clock(real)}. {context.School.Of(line.Kind == WorkKind.Resisted && RestRules.IsHeavy(line) ? "rest.heavy" : "rest.free").Reason}", line.Id)
                {
                    Fixes = [new($"Rest {Figures.Clock(rule.Seconds)}", context.Plan.Replace(line.Id, line with { Rest = (line.Rest ?? new()) with { RepSeconds = Math.Ceiling(rule.Seconds), Per = null, WalkBack = false } }))],
                };
            }
        }
    }
}

/// <summary>Top speed before what tires: conditioning, heavy sleds, heavy jumps (common practice).</summary>
public sealed class FreshForSpeed : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        var lines = context.Plan.Lines.ToList();
        for (var i = 0; i < lines.Count; i++)
        {
            if (lines[i].Kind != WorkKind.MaxVelocity || !PlanChecks.IsFullSprint(lines[i]))
            {
                continue;
            }

            var tiring = lines.Take(i).FirstOrDefault(l => l.Kind == WorkKind.Conditioning || RestRules.IsHeavy(l) || (l.Kind == WorkKind.Jumps && LongContacts(context, l) > 20));
            if (tiring is not null && context.Plan.BlockOf(lines[i].Id) is { } block && context.Plan.BlockOf(tiring.Id) is { } before)
            {
                var place = context.Plan.Blocks.ToList().FindIndex(b => b.Id == before.Id);
                yield return new("fresh", Severity.Mind, $"Top speed after {(tiring.Exercise ?? tiring.Kind.Name()).ToLowerInvariant()}", "Speed is trained fresh: quality falls before volume helps (common practice).", lines[i].Id)
                {
                    Fixes = block.Id == before.Id ? [] : [new("Run top speed first", context.Plan.MoveBlock(block.Id, place))],
                };
            }
        }
    }

    private static double LongContacts(CheckContext context, PlanLine line) => Volume.Of(line, 1, ClockSetting.UsualPace, context.Catalogue).LongContacts;
}

/// <summary>No more hard metres, runs and contacts than the school allows.</summary>
public sealed class NotTooMuch : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        foreach (var (kind, key) in new[] { (WorkKind.Acceleration, "volume.acceleration"), (WorkKind.MaxVelocity, "volume.maxvelocity"), (WorkKind.Resisted, "volume.resisted"), (WorkKind.Assisted, "volume.assisted") })
        {
            // Metres of build-ups are not hard metres.
            double Hard(SessionPlan plan) => plan.Blocks.Sum(b => b.Lines.Where(l => l.Kind == kind && PlanChecks.IsFullSprint(l)).Sum(l => Volume.Of(l, b.Rounds, ClockSetting.UsualPace, context.Catalogue).SprintMetres));
            var metres = Hard(context.Plan);
            if (metres > context.School[key])
            {
                yield return new("volume", Severity.Mind, $"{Figures.Number(metres)} m of {kind.Name().ToLowerInvariant()}, over {Figures.Number(context.School[key])}", context.School.Of(key).Reason, Biggest(context, kind)?.Id)
                {
                    Fixes = Fewer(context, kind, p => Hard(p) <= context.School[key]),
                };
            }
        }

        int Flies(SessionPlan plan) => plan.Blocks.Sum(b => b.Rounds * b.Lines.Where(l => l.Kind == WorkKind.MaxVelocity && PlanChecks.IsFullSprint(l)).Sum(l => l.TotalReps));
        if (Flies(context.Plan) > context.School["reps.flies"])
        {
            yield return new("runs", Severity.Mind, $"{Flies(context.Plan)} runs at top speed, over {Figures.Number(context.School["reps.flies"])}", context.School.Of("reps.flies").Reason, Biggest(context, WorkKind.MaxVelocity)?.Id)
            {
                Fixes = Fewer(context, WorkKind.MaxVelocity, p => Flies(p) <= context.School["reps.flies"]),
            };
        }

        double Contacts(SessionPlan plan) => plan.Blocks.Sum(b => b.Lines.Where(l => l.Kind == WorkKind.Jumps).Sum(l => Volume.Of(l, b.Rounds, ClockSetting.UsualPace, context.Catalogue) is var v ? v.ShortContacts + v.LongContacts : 0));
        if (Contacts(context.Plan) > context.School["volume.contacts"])
        {
            yield return new("contacts", Severity.Mind, $"{Figures.Number(Contacts(context.Plan))} ground contacts of jumps, over {Figures.Number(context.School["volume.contacts"])}", context.School.Of("volume.contacts").Reason, Biggest(context, WorkKind.Jumps)?.Id)
            {
                Fixes = Fewer(context, WorkKind.Jumps, p => Contacts(p) <= context.School["volume.contacts"]),
            };
        }
    }

    private static PlanLine? Biggest(CheckContext context, WorkKind kind) => context.Plan.Lines.Where(l => l.Kind == kind && (kind == WorkKind.Jumps || PlanChecks.IsFullSprint(l))).MaxBy(l => l.TotalReps);

    // Reps go from the line that has most of them until the number holds.
    private static IReadOnlyList<PlanFix> Fewer(CheckContext context, WorkKind kind, Func<SessionPlan, bool> holds)
    {
        var plan = context.Plan;
        for (var dropped = 1; dropped <= 60; dropped++)
        {
            var line = plan.Lines.Where(l => l.Kind == kind && (kind == WorkKind.Jumps || PlanChecks.IsFullSprint(l))).MaxBy(l => l.TotalReps);
            if (line is null || line.TotalReps == 1)
            {
                return [];
            }

            plan = plan.Replace(line.Id, line.Reps > 1 ? line with { Reps = line.Reps - 1 } : line with { Sets = line.Sets - 1 });
            if (holds(plan))
            {
                return [new("Take reps out until it holds", plan)];
            }
        }

        return [];
    }
}

/// <summary>A top-speed run should bring athletes near their own top speed.</summary>
public sealed class WhoReachesTopSpeed : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        if (context.Athletes.Count == 0)
        {
            yield break;
        }

        var wanted = context.School["reach.topspeed"] / 100;
        foreach (var line in context.Plan.Lines.Where(l => l.Kind == WorkKind.MaxVelocity && l.Shape is RunShape && l.HardestEffort >= 95))
        {
            var reach = context.Athletes.Count(a => Volume.Reaches(line, a.Curve) >= wanted);
            if (reach == context.Athletes.Count)
            {
                continue;
            }

            var estimated = context.Athletes.Count(a => a.Estimated);
            var run = (RunShape)line.Shape;
            var longer = run.Segments.ToList();
            var at = longer.FindIndex(s => s.Role is SegmentRole.Build or SegmentRole.Run);
            var needed = context.Athletes.Max(a => a.Curve.DistanceAtShare(Math.Min(0.99, wanted * 100 / line.HardestEffort)));
            var extra = Math.Ceiling((needed - run.SprintMetres) / 5) * 5;
            var fix = at >= 0 && extra is > 0 and <= 30 && run.SprintMetres + extra <= context.StraightMetres
                ? context.Plan.Replace(line.Id, line with { Gates = [], Shape = new RunShape([.. longer.Select((s, i) => i == at ? s with { Length = Distance.InMetres(s.Length.Metres + extra).To(s.Length.Unit) } : s)]) })
                : null;
            yield return new("reaches", reach == 0 ? Severity.Mind : Severity.Note,
                $"This {Figures.Number(run.SprintMetres, 1)} m gives top-speed work to {reach} of {context.Athletes.Count}",
                $"Counted at {Figures.Number(wanted * 100)}% of each athlete's own top speed{(estimated > 0 ? $"; {estimated} without a curve are taken from the group" : "")}. {context.School.Of("reach.topspeed").Reason}", line.Id)
            {
                Fixes = fix is null ? [] : [new($"Make the run-up {Figures.Number(extra)} m longer", fix)],
            };
        }
    }
}

/// <summary>A flying zone needs 20 to 40 m of build (common practice).</summary>
public sealed class BuildLongEnough : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        foreach (var line in context.Plan.Lines)
        {
            if (line.Shape is RunShape { Fly: { From: < 19.5 and > 0 } fly } run && line.Kind is WorkKind.MaxVelocity or WorkKind.Assisted)
            {
                var at = run.Segments.ToList().FindIndex(s => s.Role == SegmentRole.Build);
                yield return new("build", Severity.Mind, $"Only {Figures.Number(fly.From, 1)} m of build before the fly", "A flying zone follows a 20 to 40 m build (common practice).", line.Id)
                {
                    Fixes = at < 0 ? [] : [new("Build 20 m", context.Plan.Replace(line.Id, line with { Gates = [], Shape = new RunShape([.. run.Segments.Select((s, i) => i == at ? s with { Length = Distance.InMetres(s.Length.Metres + 20 - fly.From).To(s.Length.Unit) } : s)]) }))],
                };
            }
        }
    }
}

/// <summary>A load is judged by its aim: for top speed within the bracket, for acceleration up to what the school pulls; never one by the other.</summary>
public sealed class LoadHasItsAim : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        foreach (var line in context.Plan.Lines.Where(l => l.Kind == WorkKind.Resisted && l.Load is { Unit: LoadUnit.PercentSpeed } && l.Shape is RunShape))
        {
            var slower = -line.Load!.Amount;
            var run = (RunShape)line.Shape;
            var topSpeed = run.Fly is not null || run.SprintMetres > 30;
            var key = topSpeed ? "load.bracket" : "load.heaviest";
            if (slower > context.School[key] + 1e-9)
            {
                yield return new("load", Severity.Mind,
                    topSpeed ? $"{Figures.Number(slower)}% slower is outside the top-speed bracket of {Figures.Number(context.School[key])}%" : $"{Figures.Number(slower)}% slower is heavier than this school pulls ({Figures.Number(context.School[key])}%)",
                    context.School.Of(key).Reason, line.Id)
                {
                    Fixes = [new($"Load for −{Figures.Number(context.School[key])}%", context.Plan.Replace(line.Id, line with { Load = line.Load with { Amount = -context.School[key] } }))],
                };
            }
        }
    }
}

/// <summary>Times compare when athletes stop after the line, not at it: short timed runs go through a finish cone (common practice).</summary>
public sealed class RunThroughTheLine : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        if (context.School["through.metres"] <= 0)
        {
            yield break;
        }

        foreach (var line in context.Plan.Lines.Where(l => l.Kind == WorkKind.Acceleration && PlanChecks.IsFullSprint(l) && l.Through is null && l.Shape is RunShape { SprintMetres: <= 20 } run && run.Segments.All(s => s.Role != SegmentRole.Slow)))
        {
            var end = ((RunShape)line.Shape).SprintMetres;
            if (line.ExpectedMarks.Count > 0 && line.ExpectedMarks[^1].Metres >= end - 0.01)
            {
                var metres = context.School["through.metres"];
                yield return new("through", Severity.Note, $"{Figures.Number(end, 1)} m timed with no run-through", $"Athletes stop at the line they are timed to. {context.School.Of("through.metres").Reason}", line.Id)
                {
                    Fixes = [new($"Cone {Figures.Number(metres)} m past the line", context.Plan.Replace(line.Id, line with { Through = Distance.InMetres(metres) }))],
                };
            }
        }
    }
}
