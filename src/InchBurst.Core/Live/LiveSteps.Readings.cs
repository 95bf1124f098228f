using System.Globalization;
using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Core.Units;

namespace InchBurst.Core.Live;

/// <summary>Reps that were read twice, corrected, given to others or taken back.</summary>
public static partial class LiveSteps
{
    private static LiveStep Pick(LiveState state, PickReading pick)
    {
        if (state.Run(pick.Run) is not { IsTakenBack: false, Told.Count: > 1 } run)
        {
            return Missing(state);
        }

        if (pick.What == "two")
        {
            return Two(state, run);
        }

        var chosen = run.Told.FirstOrDefault(r => r.Number > 0 && r.Number.ToString(CultureInfo.InvariantCulture) == pick.What)?.Reading;
        if (chosen is null && pick.What != "mean")
        {
            return Missing(state);
        }

        var mean = chosen is null ? Readings.Mean([.. run.Told.Select(r => r.Reading).Where(r => r.Method == run.What.Method)]) : null;
        var what = run.What with { Method = chosen?.Method ?? mean!.Method, Trigger = chosen?.Trigger ?? mean!.Trigger, Marks = chosen?.Marks ?? mean!.Marks };
        return Rewritten(state.With(run with { What = what, Conflict = null, Picked = pick.What }), run);
    }

    // Its readings were of more runs than one: each stands for itself, and none is lost.
    private static LiveStep Two(LiveState state, LiveRun run)
    {
        var rep = state.Runs.Where(r => r.AthleteId == run.AthleteId && r.LineId == run.LineId && !r.IsTakenBack).Max(r => r.Rep);
        var runs = Readings.Runs(run.Told, r => r.At);
        var stays = runs.FirstOrDefault(own => own.Any(r => r.Id == run.Id)) ?? runs[0];
        var others = runs.Where(own => own != stays).Select(own => Standing(
            new() { Id = own[0].Id, AthleteId = run.AthleteId, LineId = run.LineId, Rep = ++rep, Outcome = RunOutcome.Timed, FinishedAt = own[0].At, By = own[0].By, What = run.What }, own)).ToList();
        return Rewritten(state.With(Standing(run, stays)) with { Runs = [.. state.With(Standing(run, stays)).Runs, .. others] }, run);
    }

    // The readings that were of this run, and what they come down to; one under the run's own number is the run itself.
    private static LiveRun Standing(LiveRun run, IReadOnlyList<LiveReading> own)
    {
        var combined = Readings.Combine([.. own.Select(r => r.Reading)]);
        var silent = run.Readings.Except(run.Told);
        return run with
        {
            Readings = own.Count == 1 && own[0].Id == run.Id ? [.. silent] : [.. silent, .. own],
            Conflict = combined.Conflict,
            Picked = "",
            What = run.What with { Method = combined.Method, Trigger = combined.Trigger, Marks = combined.Marks },
        };
    }

    private static LiveStep Undo(LiveState state, UndoRun undo, LiveWorld world)
    {
        if (state.Run(undo.Run) is not { } run)
        {
            return Missing(state);
        }

        if (undo is { Back: true, Reading: { } number })
        {
            return run is { IsTakenBack: false } && run.Readings.FirstOrDefault(r => r.Number == number && r.By == world.By && r.IsTakenBack) is { } gone ? Reread(state, run, gone with { IsTakenBack = false }) : Missing(state);
        }

        // A rep that others have read too stays in the book with what they read.
        if (!undo.Back && run is { IsTakenBack: false, Told.Count: > 1 } && run.Told.LastOrDefault(r => r.By == world.By) is { } own)
        {
            var step = Reread(state, run, own with { IsTakenBack = true });
            var others = step.State.Run(undo.Run)!.Told.Select(r => r.By).Distinct().ToList();
            var stands = others is [var only] && only == world.By ? "your other reading stands" : $"what {string.Join(" and ", others)} read stands";
            return step with { Reading = own.Number, Said = $"Your {Figures.Split(Headline(run, own))} for {state.Person(run.AthleteId)?.Name} taken back; {stands}." };
        }

        // What is out already, or in, stays as it is, and the command is done.
        if (undo.Back != run.IsTakenBack)
        {
            return Stored(state) with { Run = run.Id };
        }

        // Timers take back what they entered themselves.
        if (!world.IsCoach && (run.Told.Count > 0 ? run.Told.Any(r => r.By != world.By) : run.By != world.By))
        {
            return new(state, LiveAnswer.Forbidden);
        }

        if (!undo.Back)
        {
            return Stored(state.With(run with { IsTakenBack = true })) with { Run = run.Id, Said = $"Taken back: {state.Person(run.AthleteId)?.Name} {(run.What.Marks.Count > 0 ? run.MarksText : "")}".TrimEnd() + (IsPain(run) && state.Person(run.AthleteId) is { HeldReason: not null } ? ". The pain stands until somebody allows full efforts." : "") };
        }

        // Its place may have been taken meanwhile; then it comes back as the next rep.
        var taken = state.Runs.Where(r => r.Id != run.Id && r.AthleteId == run.AthleteId && r.LineId == run.LineId && !r.IsTakenBack).Select(r => r.Rep).ToList();
        return Stored(state.With(run with { IsTakenBack = false, Rep = run.Rep > 0 && taken.Contains(run.Rep) ? taken.Max() + 1 : run.Rep })) with { Run = run.Id };
    }

    // What was picked stays picked unless it was, or was made of, the reading that came or went.
    private static LiveStep Reread(LiveState state, LiveRun run, LiveReading changed)
    {
        var now = run with { Readings = [.. run.Readings.Select(r => r.Id == changed.Id ? changed : r)] };
        return run.Picked.Length == 0 || run.Picked == "mean" || run.Picked == changed.Number.ToString(CultureInfo.InvariantCulture)
            ? Rewritten(state.With(Combined(now)), run)
            : Stored(state.With(now.Told.Count < 2 ? now with { Conflict = null } : now)) with { Run = run.Id };
    }

    private static LiveStep Correct(LiveState state, CorrectRun correct)
    {
        if (state.Run(correct.Run) is not { IsTakenBack: false } run || correct.Marks.Count == 0)
        {
            return Missing(state);
        }

        // A reading that comes later does not wipe a correction away.
        return Rewritten(state.With(run with { Outcome = RunOutcome.Timed, Conflict = null, Picked = run.Readings.Count > 0 ? LiveRun.Corrected : "", What = run.What with { Marks = correct.Marks } }), run);
    }

    private static LiveStep Film(LiveState state, ReadFilm film, LiveWorld world)
    {
        if (state.Run(film.Run) is not { IsTakenBack: false } run || film.Marks.All(m => m.Seconds <= 0))
        {
            return Missing(state);
        }

        // Of the run whenever it is read: a film may be looked at days later.
        return Rewritten(state.With(Join(run, new(film.Client, world.By, TimingMethod.Film, film.Trigger, film.Marks, run.FinishedAt))), run);
    }

    private static LiveStep Move(LiveState state, MoveRun move) =>
        state.Run(move.Run) is { IsTakenBack: false } run && run.AthleteId != move.Athlete && state.Person(move.Athlete) is not null
            ? Given(state, run, move.Athlete, !state.Counted(move.Athlete, run.LineId).Any(r => r.Rep == run.Rep) && run.Rep > 0 ? run.Rep : state.NextRep(move.Athlete, run.LineId))
            : Missing(state);

    // On one line each takes the other's rep; a run that counts for nothing has none to give.
    private static LiveStep Swap(LiveState state, SwapRuns swap)
    {
        if (state.Run(swap.Run) is not { IsTakenBack: false } run || state.Run(swap.Other) is not { IsTakenBack: false } other || run.AthleteId == other.AthleteId)
        {
            return Missing(state);
        }

        var trade = run.LineId == other.LineId && run.Rep > 0 && other.Rep > 0;
        var first = Given(state, run, other.AthleteId, trade ? other.Rep : state.NextRep(other.AthleteId, run.LineId));
        var second = Given(first.State, other, run.AthleteId, trade ? run.Rep : state.NextRep(run.AthleteId, other.LineId));
        return second with { Run = run.Id, Events = [.. first.Events, .. second.Events] };
    }

    private static LiveStep Given(LiveState state, LiveRun run, int athlete, int rep) => Stored(state.With(run with { AthleteId = athlete, Rep = run.Outcome == RunOutcome.Again ? 0 : rep })) with
    {
        Run = run.Id,
        Events = [new RunRewritten(run.Id, $"{state.Person(run.AthleteId)?.Name}, {run.MarksText}")],
    };

    private static LiveStep Rewritten(LiveState state, LiveRun before) => Stored(state) with { Run = before.Id, Events = [new RunRewritten(before.Id, before.MarksText)] };

    /// <summary>Headline time of one reading of a run, s.</summary>
    /// <param name="run">The run.</param>
    /// <param name="reading">A reading of it, with at least one mark.</param>
    public static double Headline(LiveRun run, LiveReading reading) =>
        RunMeaning.Against(run.What with { Marks = reading.Marks, Method = reading.Method, Trigger = reading.Trigger }, null).Seconds;
}
