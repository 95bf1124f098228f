using InchBurst.Core.Catalogue;
using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Load;
using InchBurst.Core.Plan;
using InchBurst.Core.School;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Sprint;
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

/// <summary>A change that makes a finding go away.</summary>
/// <param name="Label">What it does.</param>
/// <param name="Plan">The plan with it done.</param>
/// <param name="Lanes">Lanes it needs, or null when they stay.</param>
/// <param name="EndSeconds">When the session then ends, s, where that is the point.</param>
public sealed record PlanFix(string Label, SessionPlan Plan, int? Lanes = null, double? EndSeconds = null);

/// <summary>Something the plan shows when it is read by a rule.</summary>
/// <param name="Rule">Short name of the rule.</param>
/// <param name="Severity">Its weight.</param>
/// <param name="Said">The finding in a coach's words.</param>
/// <param name="Why">The reason, with its number and where that comes from.</param>
/// <param name="LineId">Line it is about, or null for the whole session.</param>
public sealed record Finding(string Rule, Severity Severity, string Said, string Why, int? LineId = null)
{
    /// <summary>One-tap fixes; may be empty.</summary>
    public IReadOnlyList<PlanFix> Fixes { get; init; } = [];
}

/// <summary>Someone who is not in full training.</summary>
/// <param name="Name">Name.</param>
/// <param name="IsOut">True when out, false when modified.</param>
/// <param name="Reason">Reason as written, may be empty.</param>
public sealed record Restriction(string Name, bool IsOut, string Reason);

/// <summary>An athlete as the checks see one.</summary>
/// <param name="Name">Name.</param>
/// <param name="Curve">The athlete's curve, or the group's when there is none.</param>
/// <param name="Estimated">True when the curve is the group's.</param>
/// <param name="Age">Age in years, if known.</param>
/// <param name="MassKilograms">Body mass in kg, if known.</param>
/// <param name="IsReturning">True when on modified training.</param>
public sealed record CheckedAthlete(string Name, SprintCurve Curve, bool Estimated, int? Age = null, double? MassKilograms = null, bool IsReturning = false)
{
    /// <summary>True under 16.</summary>
    public bool IsYoung => Age < Limits.YoungYears;

    /// <summary>What is known to work a load out for the athlete; null takes what a free sprint on an unsaid floor tells.</summary>
    public LoadKnown? Loads { get; init; }

    /// <summary>As lines are judged for.</summary>
    public DemandAthlete AsDemand() => new DemandAthlete(Curve, MassKilograms, IsYoung || IsReturning) is var plain && Loads is { } loads ? plain with { Loads = loads } : plain;
}

/// <summary>What a plan is judged with.</summary>
/// <param name="Plan">The plan.</param>
/// <param name="Timeline">The plan laid out in time.</param>
/// <param name="WindowSeconds">Time available, s.</param>
/// <param name="StraightMetres">Length of the straight, m.</param>
/// <param name="RunOutMetres">Room behind the straight in which to stop, m.</param>
/// <param name="Restrictions">Athletes of the squad who are out or modified.</param>
/// <param name="Catalogue">Known exercises.</param>
public sealed record CheckContext(
    SessionPlan Plan, SessionTimeline Timeline, double WindowSeconds, double StraightMetres, double RunOutMetres, IReadOnlyList<Restriction> Restrictions, ExerciseCatalogue Catalogue)
{
    /// <summary>The school that judges.</summary>
    public CoachingSchool School { get; init; } = CoachingSchool.Usual;

    /// <summary>Group, lanes and pace, for fixes that change the time.</summary>
    public ClockSetting? Setting { get; init; }

    /// <summary>Everybody of the squad whom a line can be for, those who are out among them.</summary>
    public IReadOnlyList<SquadMember> Squad { get; init; } = [];

    /// <summary>True when a line is for an athlete.</summary>
    /// <param name="line">The line.</param>
    /// <param name="athlete">The athlete.</param>
    public bool Covers(PlanLine line, CheckedAthlete athlete) => Plan.Covers(line, athlete.Name, Squad.FirstOrDefault(m => m.Name == athlete.Name)?.Groups ?? []);

    /// <summary>Athletes a line is judged by: those it is for; everybody where nobody answers to it.</summary>
    /// <param name="line">The line.</param>
    public IReadOnlyList<CheckedAthlete> AthletesOf(PlanLine line) => line.For.Count > 0 && Athletes.Where(a => Covers(line, a)).ToList() is { Count: > 0 } covered ? covered : Athletes;

    /// <summary>Athletes expected.</summary>
    public IReadOnlyList<CheckedAthlete> Athletes { get; init; } = [];

    /// <summary>Cue of the session, may be empty.</summary>
    public string Cue { get; init; } = "";

    /// <summary>Cues of the squad's earlier sessions, the latest first.</summary>
    public IReadOnlyList<string> EarlierCues { get; init; } = [];

    private readonly Dictionary<(PlanLine, CheckedAthlete), LineDemand> own = new(OneAndTheSame.Instance);

    /// <summary>What a line asks of the typical athlete.</summary>
    /// <param name="line">The line.</param>
    public LineDemand DemandOf(PlanLine line) => (Setting ?? usual).DemandOf(line);

    /// <summary>What a line asks of one athlete; worked out once.</summary>
    /// <param name="line">The line.</param>
    /// <param name="athlete">The athlete.</param>
    public LineDemand DemandOf(PlanLine line, CheckedAthlete athlete)
    {
        if (!own.TryGetValue((line, athlete), out var known))
        {
            own[(line, athlete)] = known = LineDemand.Of(line, Catalogue, athlete.AsDemand());
        }

        return known;
    }

    /// <summary>Lines with what they ask, in order.</summary>
    public IEnumerable<LineDemand> Demands => Plan.Lines.Select(DemandOf);

    private readonly ClockSetting usual = new(1, 1, DemandAthlete.UsualCurve, Catalogue);

    private sealed class OneAndTheSame : IEqualityComparer<(PlanLine, CheckedAthlete)>
    {
        public static OneAndTheSame Instance { get; } = new();

        public bool Equals((PlanLine, CheckedAthlete) x, (PlanLine, CheckedAthlete) y) => ReferenceEquals(x.Item1, y.Item1) && ReferenceEquals(x.Item2, y.Item2);

        public int GetHashCode((PlanLine, CheckedAthlete) x) =>
            HashCode.Combine(System.Runtime.CompilerServices.RuntimeHelpers.GetHashCode(x.Item1), System.Runtime.CompilerServices.RuntimeHelpers.GetHashCode(x.Item2));
    }

    /// <summary>A line of shorthand, for fixes.</summary>
    internal PlanLine Line(string text) => ShorthandLine.Read(text, new(DistanceUnit.Metre, Catalogue)).Line ?? throw new InvalidOperationException($"A fix is not shorthand: {text}");

    /// <summary>Exercise of a line, or null.</summary>
    internal Exercise? ExerciseOf(PlanLine line) => Catalogue.Find(line.Exercise);

    /// <summary>The plan with a block put before the block of a line.</summary>
    internal SessionPlan Before(int lineId, string title, params string[] lines)
    {
        var at = Plan.Blocks.ToList().FindIndex(b => b.Lines.Any(l => l.Id == lineId));
        var added = Plan.Add(new PlanBlock(0, title, [.. lines.Select(Line)]));
        return added.MoveBlock(added.Blocks[^1].Id, Math.Max(0, at));
    }
}

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
    public static IReadOnlyList<IPlanCheck> All { get; } =
    [
        new WarmUpFirst(), new RoomToRun(), new FitsTheWindow(), new NotInFullTraining(), new SomebodyAnswers(), new NotKnown(), new HelpStaysSmall(), new YoungAthletes(), new WarmUpInOrder(), new NoLongHoldsBefore(), new BuildUpsFirst(),
        new RestByRule(), new FreshForSpeed(), new NotTooMuch(), new WhoReachesTopSpeed(), new BuildLongEnough(), new LoadHasItsAim(), new HowHeavy(), new OneCue(), new RunThroughTheLine(), new ContactsSuitTheDay(),
        new SlowingDownTaught(), new CoolDownLast(), new KitAndPeopleSafe(),
    ];

    /// <summary>Everything the rules find, the gravest first.</summary>
    /// <param name="context">The plan and its circumstances.</param>
    public static IReadOnlyList<Finding> Judge(CheckContext context) => [.. All.SelectMany(c => c.Look(context)).OrderBy(f => f.Severity)];
}
