using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Core.School;
using InchBurst.Core.Sprint;

namespace InchBurst.Core.Clock;

/// <summary>What the session is held with.</summary>
/// <param name="Athletes">Athletes expected, 1 to 200.</param>
/// <param name="Lanes">Lanes, 1 to 20.</param>
/// <param name="Pace">Curve of a typical athlete of the squad.</param>
/// <param name="Catalogue">Known exercises.</param>
/// <param name="StartIntervalSeconds">Least time between two goes in s; 0 sends all free lanes together.</param>
/// <param name="AthletesFor">How many of the athletes a line's "for" covers; null means all.</param>
/// <param name="School">Coaching school whose rest holds where a line says none; null means the usual one.</param>
public sealed record ClockSetting(
    int Athletes, int Lanes, SprintCurve Pace, ExerciseCatalogue Catalogue, double StartIntervalSeconds = 0, Func<PlanLine, int>? AthletesFor = null, CoachingSchool? School = null)
{
    /// <summary>Stepping aside, or changing at the kit, where a session says nothing else, s (common practice).</summary>
    public const double UsualChangeoverSeconds = 3;

    private readonly Dictionary<PlanLine, LineDemand> demands = new(ReferenceEqualityComparer.Instance);
    private readonly Dictionary<FlowRequest, FlowResult> flows = [];
    private readonly DemandAthlete typical = new(Pace);

    /// <summary>From one athlete's end to the next one's go in the same place, s, not negative.</summary>
    public double ChangeoverSeconds { get; init; } = UsualChangeoverSeconds;

    /// <summary>True when nobody does both of two lines, so that they can be done at the same time; null goes by the words they are for.</summary>
    public Func<PlanLine, PlanLine, bool>? Apart { get; init; }

    /// <summary>How many of each limited kit there are; what is not said is enough for everyone.</summary>
    public IReadOnlyDictionary<LimitedKit, int> Kit { get; init; } = new Dictionary<LimitedKit, int>();

    /// <summary>What a line asks of the typical athlete; worked out once a line.</summary>
    /// <param name="line">The line.</param>
    public LineDemand DemandOf(PlanLine line)
    {
        // A copy of the setting with another pace shares the store, so the pace is looked at too.
        if (!demands.TryGetValue(line, out var known) || !ReferenceEquals(known.Athlete.Curve, Pace))
        {
            demands[line] = known = LineDemand.Of(line, Catalogue, ReferenceEquals(typical.Curve, Pace) ? typical : new(Pace));
        }

        return known;
    }

    /// <summary>How the group runs a line; worked out once a request, as offers lay the same lines out again and again.</summary>
    /// <param name="request">The group.</param>
    internal FlowResult FlowOf(FlowRequest request) => flows.TryGetValue(request, out var known) ? known : flows[request] = GroupFlow.Simulate(request);

    /// <summary>How many can use a line's kit at once; null when it is enough for everyone.</summary>
    /// <param name="demand">What the line asks.</param>
    public int? UnitsOf(LineDemand demand) => demand.Kit is { } kit && Kit.TryGetValue(kit, out var units) && units >= 1 ? units : null;
}
