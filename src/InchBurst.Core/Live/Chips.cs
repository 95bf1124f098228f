using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Plan;

namespace InchBurst.Core.Live;

/// <summary>What is worth tapping on a line, by what the body does there (common practice).</summary>
public static class Chips
{
    /// <summary>Observations for a line, the most usual first.</summary>
    /// <param name="demand">What the line asks.</param>
    /// <param name="catalogue">The club's catalogue with chips of its own, or null for those that ship.</param>
    /// <param name="used">How often each code was tapped by the club; what is tapped more stands before what is tapped less, among those that ship and are to mend.</param>
    public static IReadOnlyList<Observation> For(LineDemand demand, ExerciseCatalogue? catalogue = null, IReadOnlyDictionary<string, int>? used = null)
    {
        var chips = Observations.For(Phases(demand), catalogue?.OwnChips);

        // The signs of the body keep their place, since they are looked for in a hurry; and so do the coach's own, which were made to be at hand.
        bool Moves(Observation chip) => chip is { IsGood: false, Phase: not RunPhase.Body } && catalogue?.OwnChips.Contains(chip) != true;
        var moving = used is null ? [] : chips.Where(Moves).OrderByDescending(c => used.GetValueOrDefault(c.Code)).ToList();
        var next = 0;
        return moving.Count == 0 ? chips : [.. chips.Select(c => Moves(c) ? moving[next++] : c)];
    }

    private static IReadOnlyList<RunPhase> Phases(LineDemand demand) => demand switch
    {
        { Movement: Motion.Lift } => [RunPhase.Bar],
        { Movement: Motion.Hold } => [RunPhase.Hold],
        { Movement: Motion.Throw } => [RunPhase.Drive, RunPhase.Arms],
        { Movement: Motion.Jump } => [RunPhase.Landing, RunPhase.Drive, RunPhase.Arms],
        { IsHardSprint: false, IsJumping: true, ShortContacts: var quick, LongContacts: var slow } when quick > slow => [RunPhase.Contact, RunPhase.Landing, RunPhase.Arms],
        { IsHardSprint: false, IsJumping: true } => [RunPhase.Bound, RunPhase.Contact, RunPhase.Arms],
        { TeachesStopping: true } => [RunPhase.SlowDown, RunPhase.Drive, RunPhase.Arms],
        { IsTopSpeed: true } => [RunPhase.Upright, RunPhase.Contact, RunPhase.Arms, RunPhase.Rise],
        { IsHardSprint: true } => [RunPhase.Rise, RunPhase.Drive, RunPhase.Start, RunPhase.Arms, RunPhase.Contact, RunPhase.SlowDown],
        _ => [RunPhase.Upright, RunPhase.Contact, RunPhase.Arms],
    };
}
