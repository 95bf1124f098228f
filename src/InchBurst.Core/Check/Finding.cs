using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Check;

/// <summary>How much a finding weighs.</summary>
public enum Severity
{
    /// <summary>Someone can be hurt or it cannot be done: stop and change it.</summary>
    Stop,

    /// <summary>Unwise; the coach decides.</summary>
    Mind,

    /// <summary>Worth knowing.</summary>
    Note,
}

/// <summary>Something the plan shows when it is read by a rule.</summary>
/// <param name="Rule">Short name of the rule.</param>
/// <param name="Severity">Its weight.</param>
/// <param name="Said">The finding in a coach's words.</param>
/// <param name="Why">The reason, with its number and where that comes from.</param>
/// <param name="LineId">Line it is about, or null for the whole session.</param>
public sealed record Finding(string Rule, Severity Severity, string Said, string Why, int? LineId = null);

/// <summary>Someone who is not in full training.</summary>
/// <param name="Name">Name.</param>
/// <param name="IsOut">True when out, false when modified.</param>
/// <param name="Reason">Reason as written, may be empty.</param>
public sealed record Restriction(string Name, bool IsOut, string Reason);

/// <summary>What a plan is judged with.</summary>
/// <param name="Plan">The plan.</param>
/// <param name="Timeline">The plan laid out in time.</param>
/// <param name="WindowSeconds">Time available, s.</param>
/// <param name="StraightMetres">Length of the straight, m.</param>
/// <param name="RunOutMetres">Room behind the straight in which to stop, m.</param>
/// <param name="Restrictions">Athletes of the squad who are out or modified.</param>
/// <param name="Catalogue">Known exercises.</param>
public sealed record CheckContext(
    SessionPlan Plan, SessionTimeline Timeline, double WindowSeconds, double StraightMetres, double RunOutMetres, IReadOnlyList<Restriction> Restrictions, ExerciseCatalogue Catalogue);

/// <summary>One rule.</summary>
public interface IPlanCheck
{
    /// <summary>What the rule finds; nothing when the plan is well by it.</summary>
    /// <param name="context">The plan and its circumstances.</param>
    IEnumerable<Finding> Look(CheckContext context);
}

/// <summary>All rules.</summary>
public static class PlanChecks
{
    /// <summary>The rules in the order they are looked at.</summary>
    public static IReadOnlyList<IPlanCheck> All { get; } = [new WarmUpFirst(), new RoomToRun(), new FitsTheWindow(), new NotInFullTraining(), new KitAndPeopleSafe()];

    /// <summary>Everything the rules find, the gravest first.</summary>
    /// <param name="context">The plan and its circumstances.</param>
    public static IReadOnlyList<Finding> Judge(CheckContext context) => [.. All.SelectMany(c => c.Look(context)).OrderBy(f => f.Severity)];

    internal static bool IsFullSprint(PlanLine line) => line.Kind.IsSprint() && line.HardestEffort >= 90;
}

/// <summary>No full sprint without a warm-up of at least 10 minutes (common practice).</summary>
public sealed class WarmUpFirst : IPlanCheck
{
    /// <summary>Least warm-up before full sprints, s.</summary>
    public const double LeastSeconds = 600;

    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        var first = context.Timeline.Items.FirstOrDefault(i => PlanChecks.IsFullSprint(i.Line));
        if (first is null)
        {
            yield break;
        }

        var before = context.Timeline.Items.TakeWhile(i => i != first).Where(i => i.Line.Kind != WorkKind.CoolDown && i.Line.HardestEffort < 95).ToList();
        var seconds = before.Sum(i => i.Seconds);
        if (before.All(i => i.Line.Kind is not (WorkKind.Raise or WorkKind.Mobilise)))
        {
            yield return new("warm-up", Severity.Stop, "Full sprints without a warm-up", "Hamstrings are hurt most by sprinting cold. Put at least 10 minutes before the first full effort (common practice).", first.Line.Id);
        }
        else if (seconds < LeastSeconds - 1)
        {
            yield return new("warm-up", Severity.Mind, $"Only {Figures.Clock(seconds)} before the first full sprint", "Warm-up and drills together should take at least 10 minutes (common practice).", first.Line.Id);
        }
    }
}

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

/// <summary>The session must fit the time there is.</summary>
public sealed class FitsTheWindow : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        var over = context.Timeline.TotalSeconds - context.WindowSeconds;
        if (over > 30)
        {
            yield return new("window", Severity.Stop, $"Overruns the {Figures.Number(context.WindowSeconds / 60)}-minute window by {Figures.Clock(over)}", "When it does not fit, take out reps before rest.");
        }
    }
}

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

/// <summary>The cautions that belong to loads and helped running; always shown.</summary>
public sealed class KitAndPeopleSafe : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        foreach (var line in context.Plan.Lines)
        {
            if (line.Kind == WorkKind.Assisted)
            {
                yield return new("assisted", Severity.Mind, "Helped running stays small and straight", "Soft landing side, nobody in line with cord or band, not for beginners or a sore hamstring. At most +5% of free speed in much of the literature (Haugen et al. 2019).", line.Id);
            }

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
