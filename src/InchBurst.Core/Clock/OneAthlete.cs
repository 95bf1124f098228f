using InchBurst.Core.Demand;
using InchBurst.Core.Plan;

namespace InchBurst.Core.Clock;

/// <summary>What a session holds for one athlete.</summary>
public static class OneAthlete
{
    /// <summary>The lines one athlete does: of those that others do at the same time nobody does two, so the one with the most metres stands for them.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="setting">Who does what.</param>
    /// <returns>Each line with the rounds of its block and its volume over them.</returns>
    public static IEnumerable<(PlanLine Line, int Rounds, LineVolume Volume)> ForOne(this SessionPlan plan, ClockSetting setting) =>
        plan.Blocks.SelectMany(b => b.AtOnce(setting.Apart).Select(t => t.Select(l => (Line: l, b.Rounds, Volume: Volume.Of(setting.DemandOf(l), b.Rounds))).MaxBy(l => l.Volume.SprintMetres + l.Volume.Metres)));
}
