using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Plan;

namespace InchBurst.Core.Live;

/// <summary>What is worth tapping on a line, by what the body does there (common practice).</summary>
public static class Chips
{
    /// <summary>Observations for a line, the most usual first.</summary>
    /// <param name="demand">What the line asks.</param>
    public static IReadOnlyList<Observation> For(LineDemand demand) => Observations.For(Phases(demand));

    private static IReadOnlyList<RunPhase> Phases(LineDemand demand) => demand switch
    {
        { Movement: Movement.Lift } => [RunPhase.Bar],
        { Movement: Movement.Hold } => [RunPhase.Hold],
        { Movement: Movement.Throw } => [RunPhase.Drive, RunPhase.Arms],
        { Movement: Movement.Jump } => [RunPhase.Landing, RunPhase.Drive, RunPhase.Arms],
        { IsHardSprint: false, IsJumping: true, ShortContacts: var quick, LongContacts: var slow } when quick > slow => [RunPhase.Contact, RunPhase.Landing, RunPhase.Arms],
        { IsHardSprint: false, IsJumping: true } => [RunPhase.Bound, RunPhase.Contact, RunPhase.Arms],
        { TeachesStopping: true } => [RunPhase.SlowDown, RunPhase.Drive, RunPhase.Arms],
        { IsTopSpeed: true } => [RunPhase.Upright, RunPhase.Contact, RunPhase.Arms, RunPhase.Rise],
        { IsHardSprint: true } => [RunPhase.Rise, RunPhase.Drive, RunPhase.Start, RunPhase.Arms, RunPhase.Contact, RunPhase.SlowDown],
        _ => [RunPhase.Upright, RunPhase.Contact, RunPhase.Arms],
    };
}
