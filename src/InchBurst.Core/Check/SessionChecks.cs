using InchBurst.Core.Make;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Check;

/// <summary>The session must fit the time there is.</summary>
public sealed class FitsTheWindow : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        var over = context.Timeline.TotalSeconds - context.WindowSeconds;
        if (over > 30)
        {
            var group = context.Setting is { } s ? $"{s.Athletes} athletes on {s.Lanes} {(s.Lanes == 1 ? "lane" : "lanes")}. " : "";
            yield return new("window", Severity.Stop, $"Overruns the {Figures.Number(context.WindowSeconds / 60)}-minute window by {Figures.Clock(over)}", group + "When it does not fit, take out reps before rest.")
            {
                Fixes = context.Setting is null ? [] : [.. FitOffers.For(context.Plan, context.Setting, context.WindowSeconds).Select(o => new PlanFix($"{o.Label} ({o.Cost})", o.Plan, o.Lanes == context.Setting.Lanes ? null : o.Lanes, o.EndSeconds))],
            };
        }
    }
}

/// <summary>One main cue a session, and not the same one every time (common practice).</summary>
public sealed class OneCue : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        var cues = context.Plan.Lines.Where(PlanChecks.IsFullSprint).Select(l => l.Cue).OfType<string>().Append(context.Cue).Where(c => c.Length > 0).Distinct(StringComparer.OrdinalIgnoreCase).ToList();
        if (cues.Count > 1)
        {
            var plan = context.Plan.Lines.Where(PlanChecks.IsFullSprint).Where(l => l.Cue is not null).Aggregate(context.Plan, (p, l) => p.Replace(l.Id, l with { Cue = null }));
            yield return new("cues", Severity.Note, $"{cues.Count} cues on full efforts", "One emphasis a session; the earlier ones are kept alive, not shouted (common practice).")
            {
                Fixes = context.Cue.Length > 0 ? [new("Keep the cue of the day only", plan)] : [],
            };
        }

        if (context.Cue.Length > 0 && context.EarlierCues.Count >= 3 && context.EarlierCues.Take(3).All(c => c.Equals(context.Cue, StringComparison.OrdinalIgnoreCase)))
        {
            yield return new("same cue", Severity.Note, "The same cue for the fourth time", "The emphasis rotates: foot contact, turnover, posture, arms, drive, rise, slowing down (common practice).");
        }
    }
}

/// <summary>Jumps suit the day: long contacts with acceleration, short ones with top speed (common practice).</summary>
public sealed class ContactsSuitTheDay : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        var speed = context.Plan.Lines.Any(l => l.Kind == WorkKind.MaxVelocity && PlanChecks.IsFullSprint(l));
        var push = context.Plan.Lines.Any(l => l.Kind is WorkKind.Acceleration or WorkKind.Resisted && PlanChecks.IsFullSprint(l));
        if (speed == push)
        {
            yield break;
        }

        foreach (var line in context.Plan.Lines.Where(l => l.Kind == WorkKind.Jumps))
        {
            var family = context.ExerciseOf(line)?.Family;
            if ((speed && family == "long contact") || (push && family == "short contact"))
            {
                var instead = speed ? "pogo hops 2 x 10 reps" : "broad jump 3 x 3 reps";
                yield return new("contact", Severity.Note, $"{line.Exercise} has {family}s on {(speed ? "a top-speed" : "an acceleration")} day", "Long ground contact goes with acceleration, short contact with top speed (common practice).", line.Id)
                {
                    Fixes = [new($"{(speed ? "Pogo hops" : "Broad jumps")} instead", context.Plan.Replace(line.Id, context.Line(instead)))],
                };
            }
        }
    }
}

/// <summary>Slowing down is taught, not assumed (common practice).</summary>
public sealed class SlowingDownTaught : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        var full = context.Plan.Lines.LastOrDefault(PlanChecks.IsFullSprint);
        if (full is not null && context.Plan.Lines.All(l => l.Kind != WorkKind.Turn))
        {
            var at = context.Plan.Blocks.ToList().FindIndex(b => b.Lines.Any(l => l.Id == full.Id));
            var added = context.Plan.Add(new PlanBlock(0, WorkKind.Turn.Name(), [context.Line("stick the stop 2 x 15 m @80% rest walk-back")]));
            yield return new("slow down", Severity.Note, "No work on slowing down", "Stopping and cutting are taught: first 20 m to stop, then less, hips low and a foot ahead (common practice).")
            {
                Fixes = [new("Add stick the stop, 2 × 15 m", added.MoveBlock(added.Blocks[^1].Id, at + 1))],
            };
        }
    }
}

/// <summary>A cool-down at the end (common practice).</summary>
public sealed class CoolDownLast : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        var least = context.School["cooldown.least"] * 60;
        if (least <= 0 || !context.Plan.Lines.Any(PlanChecks.IsFullSprint))
        {
            yield break;
        }

        var seconds = context.Timeline.Items.Where(i => i.Line.Kind == WorkKind.CoolDown).Sum(i => i.Seconds);
        if (seconds < least - 1)
        {
            var longer = $"{Math.Ceiling((least - seconds) / 60)} min";
            yield return new("cool-down", Severity.Note, seconds == 0 ? "No cool-down" : $"Only {Figures.Clock(seconds)} of cool-down", context.School.Of("cooldown.least").Reason)
            {
                Fixes = [new($"Add {longer} of cool-down", context.Plan.Add(context.Line("cool-down " + longer), "cool-down"))],
            };
        }
    }
}
