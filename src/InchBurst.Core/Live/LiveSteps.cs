using System.Globalization;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;

namespace InchBurst.Core.Live;

/// <summary>Carries commands out: a session before, a session after. Sent twice, a command is done once; what cannot be done leaves the session as it was.</summary>
public static partial class LiveSteps
{
    private const int MostRep = 1000;
    private const int MostSeen = 12;
    private const int LongestWords = 80;
    private const double MostBehindMetres = 5;

    /// <summary>Carries a command out.</summary>
    /// <param name="state">The session.</param>
    /// <param name="command">What is asked.</param>
    /// <param name="world">What is outside the session.</param>
    public static LiveStep Apply(LiveState state, LiveCommand command, LiveWorld world)
    {
        if (!LiveRules.May(command.Verb, world.IsCoach, state.State == SessionState.Ended ? state.EndedAt : null, command.At ?? world.Now))
        {
            return new(state, LiveAnswer.Forbidden);
        }

        if (command.Client != Guid.Empty && state.Done.Contains(command.Client))
        {
            return new(state, LiveAnswer.Known);
        }

        var step = command switch
        {
            SaveRep save => Save(state, save, world),
            RepOutcome outcome => Outcome(state, outcome, world),
            NoteSeen seen => Note(state, seen),
            PickReading pick => Pick(state, pick),
            DismissGate gate => state.Gates.Any(g => g.Number == gate.Gate) ? Stored(state with { Gates = Used(state.Gates, gate.Gate, Guid.Empty) }) : Missing(state),
            CallAthlete call => OnPerson(state, call.Athlete, (s, _) => s with { Called = call.Athlete }),
            GoToLine go => state.Plan.BlockOf(go.Line) is { } block
                ? Stored(state with { LineId = go.Line, Round = Math.Clamp(go.Round, 1, block.Rounds), Called = null, LineFrom = world.Now })
                : Missing(state),
            StopForToday stop => OnPerson(state, stop.Athlete, (s, p) => Uncalled(s.With(p with { DoneReason = Words(stop.Reason) ?? "done for today" }), p)),
            GoOn back => OnPerson(state, back.Athlete, (s, p) => s.With(p with { DoneReason = null })),
            // Who comes late joins at the end.
            Arrive late => OnPerson(state, late.Athlete, (s, p) => s.With(p with { Present = true, Order = Last(s) })),
            GoLater later => OnPerson(state, later.Athlete, (s, p) => Uncalled(s.With(p with { Order = Last(s) }), p)),
            DoOther other => OnPerson(state, other.Athlete, (s, p) => Uncalled(s.With(p with { OtherWork = Words(other.Work), OtherWorkLineId = Words(other.Work) is null ? null : other.Line }), p)),
            HoldBack hold => state.Person(hold.Athlete) is { } person ? Hold(state, person, Words(hold.Reason) ?? "tight or sore") : Missing(state),
            AllowFull allow => Allow(state, allow),
            SetTiming timing => Timing(state, timing, world.Catalogue),
            ChangeReps reps => Reps(state, reps),
            TakeOffer offer => Stored(state with { Plan = offer.Plan, Lanes = offer.Lanes }) with { Said = offer.Said },
            UndoRun undo => Undo(state, undo, world),
            CorrectRun correct => Correct(state, correct),
            ReadFilm film => Film(state, film, world),
            MoveRun move => Move(state, move),
            SwapRuns swap => Swap(state, swap),
            StartSession start => Start(Here(state, start.Here), world.Now),
            ReopenSession => Start(state, world.Now),
            EndSession => Stored(state with { State = SessionState.Ended, EndedAt = world.Now }),
            _ => throw new ArgumentOutOfRangeException(nameof(command)),
        };

        // A run is known again by its own number, and "put back" is told apart by what is there.
        return step.Answer == LiveAnswer.Stored && command.Client != Guid.Empty && command is not RepCommand
            ? step with { State = step.State with { Done = [.. step.State.Done, command.Client] } }
            : step;
    }

    private static LiveStep Stored(LiveState state) => new(state, LiveAnswer.Stored);

    private static LiveStep Missing(LiveState state) => new(state, LiveAnswer.Missing);

    private static LiveStep OnPerson(LiveState state, int athlete, Func<LiveState, LivePerson, LiveState> change) => state.Person(athlete) is { } person ? Stored(change(state, person)) : Missing(state);

    private static LiveState Uncalled(LiveState state, LivePerson person) => state.Called == person.AthleteId ? state with { Called = null } : state;

    private static int Last(LiveState state) => state.People.Max(p => p.Order) + 1;

    private static string? Words(string? text) => string.IsNullOrWhiteSpace(text) ? null : text.Trim()[..Math.Min(LongestWords, text.Trim().Length)];

    private static LiveState Here(LiveState state, IReadOnlyList<(int Athlete, string Name, bool Present)> rows)
    {
        var last = state.People.Select(p => p.Order).DefaultIfEmpty(0).Max();
        var known = rows.ToDictionary(r => r.Athlete, r => r.Present);
        return state with
        {
            People =
            [
                .. state.People.Select(p => known.TryGetValue(p.AthleteId, out var present) ? p with { Present = present } : p),
                .. rows.Where(r => state.Person(r.Athlete) is null).Select(r => new LivePerson(r.Athlete, r.Name, ++last) { Present = r.Present }),
            ],
        };
    }

    private static LiveStep Start(LiveState state, DateTime now) => state.Plan.Blocks.Count == 0
        ? new(state, LiveAnswer.Missing)
        : Stored(state with
        {
            State = SessionState.Running,
            StartedAt = state.StartedAt ?? now,
            EndedAt = null,
            LineFrom = state.LineFrom ?? state.StartedAt ?? now,
            LineId = state.LineId ?? state.Plan.Lines.FirstOrDefault()?.Id,
        });

    // Pain stops full efforts, today and until the clinician says otherwise.
    private static LiveStep Hold(LiveState state, LivePerson person, string reason) => Stored(Uncalled(state.With(person with { HeldReason = reason, AllowedBy = "", Holds = person.Holds + 1 }), person)) with
    {
        Events = [new PainNoted(person.AthleteId, reason)],
        Said = $"{person.Name}: {reason}. No full efforts until the clinician who treats the athlete allows them; easy work stays open.",
    };

    // For what was noted when the form was opened and nothing since.
    private static LiveStep Allow(LiveState state, AllowFull allow)
    {
        if (state.Person(allow.Athlete) is not { } person)
        {
            return Missing(state);
        }

        if (Words(allow.Who) is not { } who)
        {
            return new(state, LiveAnswer.Refused) { Said = "Say who allowed full efforts: the clinician who treats the athlete." };
        }

        return person.Holds == allow.Holds
            ? Stored(state.With(person with { AllowedBy = who }))
            : new(state, LiveAnswer.Refused) { Said = $"Pain was noted meanwhile: {person.HeldReason}. Does {who} know of it? Then say so again." };
    }

    private static LiveStep Timing(LiveState state, SetTiming set, ExerciseCatalogue catalogue)
    {
        if (state.Plan.Line(set.Line) is not { } line)
        {
            return Missing(state);
        }

        // An empty field says that nobody has measured it; one that cannot be read leaves the distance as it was.
        var before = state.TimingOf(set.Line);
        var unsaid = string.IsNullOrWhiteSpace(set.Behind);
        double? metres = double.TryParse((set.Behind ?? "").Trim().Replace(',', '.'), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var typed) && typed is >= 0 and <= MostBehindMetres ? typed : null;
        var timing = new LineTiming(
            set.Method,
            set.Trigger == StartTrigger.ZoneLine ? StartTrigger.FirstGate : set.Trigger,
            unsaid ? 0 : metres ?? before.StartBehindGateMetres,
            set.Entry == EntryMode.ZoneOnly && LineMarks.Expected(LineDemand.Of(line, catalogue)).Count < 2 ? EntryMode.Cumulative : set.Entry,
            !unsaid && (metres is not null || before.StartSaid))
        { Surface = state.Usual.Surface, Setting = state.Usual.Setting };
        return Stored(state with
        {
            Timings = new Dictionary<int, LineTiming>(state.Timings) { [set.Line] = timing },

            // The next lines take it over until they are set themselves, but for the way of typing.
            Usual = timing with { Entry = state.Usual.Entry },
        }) with
        { Said = metres is null && !unsaid ? set.Behind : null };
    }

    private static LiveStep Reps(LiveState state, ChangeReps change) => state.Plan.Line(change.Line) is { } line && line.Reps + Math.Sign(change.By) is >= 1 and <= 100 and var reps
        ? Stored(state with { Plan = state.Plan.Replace(change.Line, line with { Reps = reps }) }) with { Said = $"{reps} {(reps == 1 ? "rep" : "reps")} for everyone now. The plan itself is unchanged." }
        : Missing(state);
}
