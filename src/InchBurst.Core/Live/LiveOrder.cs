using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Rest;

namespace InchBurst.Core.Live;

/// <summary>A line to go to, with the round of its block.</summary>
/// <param name="Line">The line.</param>
/// <param name="Round">Round, from 1.</param>
/// <param name="Rounds">Rounds of the block.</param>
public sealed record LinePlace(PlanLine Line, int Round, int Rounds);

/// <summary>Somebody in the running order.</summary>
/// <param name="Person">Who.</param>
/// <param name="Turn">The turn.</param>
/// <param name="Note">Why they are out, may be empty.</param>
/// <param name="Warning">What to mind before a full effort, may be empty.</param>
/// <param name="Today">Headline times of today's reps that the next one is judged beside, s.</param>
public sealed record LiveTurn(LivePerson Person, Turn Turn, string Note, string Warning, IReadOnlyList<double> Today);

/// <summary>The running order of a line for those who are here and whom it is for.</summary>
public static class LiveOrder
{
    /// <summary>Every line to go to, in order, once a round of its block.</summary>
    /// <param name="plan">The plan.</param>
    public static IReadOnlyList<LinePlace> Places(SessionPlan plan) =>
        [.. plan.Blocks.SelectMany(b => Enumerable.Range(1, b.Rounds).SelectMany(round => b.Lines.Select(l => new LinePlace(l, round, b.Rounds))))];

    /// <summary>What a line asks of its runners up to the end of a round.</summary>
    /// <param name="state">The session.</param>
    /// <param name="demand">What the line asks.</param>
    /// <param name="round">Round of its block, from 1.</param>
    /// <param name="setting">What it is held in.</param>
    public static LineTurns Turns(LiveState state, LineDemand demand, int round, LiveSetting setting)
    {
        var line = demand.Line;
        var rest = RestRules.Between(demand, setting.School).Seconds;
        return new(
            line.Turns * round, Math.Max(1, line.Turns / line.Sets), rest, line.Rest?.SetSeconds ?? rest, state.Lanes,
            state.Runs.Count(r => r.LineId == line.Id && !r.IsTakenBack && r.Outcome is not RunOutcome.Skipped));
    }

    /// <summary>The order now.</summary>
    /// <param name="state">The session.</param>
    /// <param name="demand">What the line asks.</param>
    /// <param name="turns">What it asks of its runners.</param>
    /// <param name="setting">What it is held in.</param>
    /// <param name="now">The time, UTC.</param>
    public static IReadOnlyList<LiveTurn> Of(LiveState state, LineDemand demand, LineTurns turns, LiveSetting setting, DateTime now)
    {
        var line = demand.Line;
        var here = state.People.Where(p => p.Present && setting.IsFor(state, line, p)).ToDictionary(p => p.AthleteId);
        // What was noted on a line without figures says what was seen; it is no effort to rest from.
        var figures = state.Runs.Where(r => r.Outcome == RunOutcome.NotTimed).Select(r => r.LineId).Distinct()
            .ToDictionary(id => id, id => state.Plan.Line(id) is not { } of || LineMarks.Expected(LineDemand.Of(of, setting.Catalogue)).Count + of.AskedMeasures.Count > 0);
        var last = state.Runs.Where(r => !r.IsTakenBack && r.Outcome != RunOutcome.Skipped && (r.Outcome != RunOutcome.NotTimed || r.Seen.Count == 0 || figures[r.LineId])).GroupBy(r => r.AthleteId).ToDictionary(g => g.Key, g => g.Max(r => r.FinishedAt));
        var runners = here.Values.Select(p => new Runner(
            p.AthleteId, p.Order, state.Counted(p.AthleteId, line.Id).Count(), last.TryGetValue(p.AthleteId, out var at) ? at : null, KeptOutOf(p, demand, setting)));
        return
        [
            .. RunningOrder.Now(runners, turns, now, state.Called)
                .Select(t => t with { Rep = t.State == TurnState.Finished ? t.Rep : state.NextRep(t.AthleteId, line.Id) })
                .Select(t => new LiveTurn(here[t.AthleteId], t, Note(here[t.AthleteId], t, setting), Warning(here[t.AthleteId], demand, setting), LiveEntry.TodayOf(state, demand, t))),
        ];
    }

    /// <summary>What keeps an athlete out of a line. Being out, or pain noted today, stops full efforts until somebody says who allowed them.</summary>
    /// <param name="person">Who.</param>
    /// <param name="demand">What the line asks.</param>
    /// <param name="setting">What the club's book knows.</param>
    public static KeptOut KeptOutOf(LivePerson person, LineDemand demand, LiveSetting setting) =>
        person.DoneReason is not null ? KeptOut.DoneForToday
        : demand.Tissues != Tissues.None && person.AllowedBy.Length == 0 && (person.HeldReason is not null || setting.Athlete(person).Availability == Availability.Out) ? KeptOut.Held
        : person.OtherWork is not null && person.OtherWorkLineId == demand.Line.Id ? KeptOut.OtherWork
        : KeptOut.No;

    private static string Note(LivePerson person, Turn turn, LiveSetting setting) => turn.State switch
    {
        TurnState.DoneForToday => person.DoneReason ?? "",
        TurnState.Held => person.HeldReason ?? (setting.Athlete(person).AvailabilityReason is { Length: > 0 } reason ? reason : "out"),
        TurnState.OtherWork => person.OtherWork ?? "",
        _ => "",
    };

    private static string Warning(LivePerson person, LineDemand demand, LiveSetting setting) => person switch
    {
        { AllowedBy.Length: > 0 } => demand.Tissues != Tissues.None ? $"Pain noted; full efforts allowed by {person.AllowedBy}." : "",
        { HeldReason: { } pain } => $"{pain}: easy work only.",
        _ when setting.Athlete(person) is { Availability: not Availability.Full } a =>
            $"{(a.Availability == Availability.Out ? "Out" : "Modified")}{(a.AvailabilityReason.Length > 0 ? $": {a.AvailabilityReason}" : "")}. Full efforts are for {(a.AvailabilitySaidBy.Length > 0 ? a.AvailabilitySaidBy : "the clinician")} to allow.",
        _ => "",
    };
}
