using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data;

/// <summary>Reps that were read twice, corrected or taken back.</summary>
public sealed partial class TracksideBook
{
    /// <summary>Takes a run out of the book; it can be put back.</summary>
    public Task<Run?> SetDeletedAsync(int sessionId, long runId, bool deleted, CancellationToken cancel = default) => StepAsync(
        async () =>
        {
            var run = await Whole(db.Runs.IgnoreQueryFilters()).Include(r => r.Athlete).SingleOrDefaultAsync(r => r.Id == runId && r.SessionId == sessionId, cancel);
            if (run is not null)
            {
                run.DeletedAt = deleted ? clock.GetUtcNow().UtcDateTime : null;

                // Its place may have been taken meanwhile; then it comes back as the next rep.
                if (!deleted && run.Rep > 0 && await db.Runs.AnyAsync(r => r.Id != run.Id && r.SessionId == sessionId && r.AthleteId == run.AthleteId && r.LineId == run.LineId && r.Rep == run.Rep, cancel))
                {
                    run.Rep = 1 + await db.Runs.Where(r => r.SessionId == sessionId && r.AthleteId == run.AthleteId && r.LineId == run.LineId).MaxAsync(r => r.Rep, cancel);
                }

                await SettleAsync(run, cancel);

                await db.SaveChangesAsync(cancel);
                Changed(run);
            }

            return run;
        },
        cancel);

    /// <summary>Puts other marks in a run and keeps the old ones with who changed them.</summary>
    public Task<bool> CorrectAsync(int sessionId, long runId, IReadOnlyList<LoggedMark> marks, string by, CancellationToken cancel = default) => StepAsync(
        async () =>
        {
            if (await Whole(db.Runs).SingleOrDefaultAsync(r => r.Id == runId && r.SessionId == sessionId, cancel) is not { } run)
            {
                return false;
            }

            run.Outcome = RunOutcome.Timed;
            run.Conflict = null;
            await ReplaceMarksAsync(run, marks, by, cancel);

            // A reading that comes later does not wipe a correction away.
            run.Picked = run.Readings.Count > 0 ? Run.Corrected : "";
            await db.SaveChangesAsync(cancel);
            Changed(run);
            return true;
        },
        cancel);

    /// <summary>Gives a run to the athlete who ran it: as their next rep of the line where that rep has a run already.</summary>
    /// <returns>False when there is no such run, or the athlete is not in the session.</returns>
    public Task<bool> MoveAsync(int sessionId, long runId, int athleteId, string by, CancellationToken cancel = default) => StepAsync(
        async () =>
        {
            if (await MovableAsync(sessionId, runId, cancel) is not { } run || run.AthleteId == athleteId || !await db.Attendance.AnyAsync(a => a.SessionId == sessionId && a.AthleteId == athleteId, cancel))
            {
                return false;
            }

            await GiveAsync(run, athleteId, by, cancel);
            return true;
        },
        cancel);

    /// <summary>Swaps the athletes of two runs, as when two went in the other order.</summary>
    /// <returns>False when there are no two such runs of two athletes.</returns>
    public Task<bool> SwapAsync(int sessionId, long runId, long otherId, string by, CancellationToken cancel = default) => StepAsync(
        async () =>
        {
            if (await MovableAsync(sessionId, runId, cancel) is not { } run || await MovableAsync(sessionId, otherId, cancel) is not { } other || run.AthleteId == other.AthleteId)
            {
                return false;
            }

            // On one line each takes the other's rep; its place must be free before it is taken.
            var (athlete, rep, sameLine) = (run.AthleteId, run.Rep, run.LineId == other.LineId);
            var otherRep = other.Rep;
            other.Rep = 0;
            await db.SaveChangesAsync(cancel);
            var otherAthlete = other.AthleteId;
            await GiveAsync(run, otherAthlete, by, cancel, sameLine ? otherRep : null);
            other.Rep = otherRep;
            await GiveAsync(other, athlete, by, cancel, sameLine ? rep : null);
            return true;
        },
        cancel);

    private Task<Run?> MovableAsync(int sessionId, long runId, CancellationToken cancel) => Whole(db.Runs).Include(r => r.Athlete).SingleOrDefaultAsync(r => r.Id == runId && r.SessionId == sessionId, cancel);

    private async Task GiveAsync(Run run, int athleteId, string by, CancellationToken cancel, int? rep = null)
    {
        Changed(run);
        db.RunCorrections.Add(new RunCorrection { RunId = run.Id, At = clock.GetUtcNow().UtcDateTime, By = by, OldMarks = $"{run.Athlete?.Name}, {(run.Marks.Count == 0 ? "no time" : run.MarksText())}" });
        var own = await db.Runs.Where(r => r.SessionId == run.SessionId && r.AthleteId == athleteId && r.LineId == run.LineId && r.Id != run.Id).ToListAsync(cancel);
        (run.Rep, run.AthleteId, run.Athlete) = (run.Outcome == RunOutcome.Again ? 0 : rep ?? (run.Rep > 0 && own.All(r => r.Rep != run.Rep) ? run.Rep : LiveSession.NextRep(own)), athleteId, null);
        await SettleAsync(run, cancel);
        await db.SaveChangesAsync(cancel);
        Changed(run);
    }

    /// <summary>Chooses what stands for a rep that was read twice: a reading by its number, "mean", or "two" when they were two runs.</summary>
    /// <returns>False when there is no such run or reading.</returns>
    public Task<bool> PickAsync(int sessionId, long runId, string what, string by, CancellationToken cancel = default) => StepAsync(
        async () =>
        {
            var run = await Whole(db.Runs).SingleOrDefaultAsync(r => r.Id == runId && r.SessionId == sessionId, cancel);
            if (run is null || run.Told.Count < 2)
            {
                return false;
            }

            var chosen = run.Told.FirstOrDefault(r => r.Id.ToString(System.Globalization.CultureInfo.InvariantCulture) == what);
            if (what == "two")
            {
                var rep = await db.Runs.Where(r => r.SessionId == sessionId && r.AthleteId == run.AthleteId && r.LineId == run.LineId).MaxAsync(r => r.Rep, cancel);
                var runs = Readings.Runs(run.Told, r => r.FinishedAt);
                var stays = runs.FirstOrDefault(own => own.Any(r => r.ClientId == run.ClientId)) ?? runs[0];
                foreach (var own in runs.Where(own => own != stays))
                {
                    var other = run.Again(++rep, own[0]);
                    db.Runs.Add(other);
                    await StandAsync(other, own, cancel);
                }

                Remember(run, by);
                await StandAsync(run, stays, cancel);
            }
            else if (what == "mean" || chosen is not null)
            {
                var picked = chosen?.ToReading();
                var mean = picked is null ? Readings.Mean([.. run.Told.Select(r => r.ToReading()).Where(r => r.Method == run.Method)]) : null;
                (run.Method, run.Trigger) = (picked?.Method ?? mean!.Method, picked?.Trigger ?? mean!.Trigger);
                await ReplaceMarksAsync(run, picked?.Marks ?? mean!.Marks, by, cancel);
                (run.Conflict, run.Picked) = (null, what);
            }
            else
            {
                return false;
            }

            await db.SaveChangesAsync(cancel);
            Changed(run);
            return true;
        },
        cancel);

    // The readings that were of this run, and what they come down to.
    private async Task StandAsync(Run run, IReadOnlyList<RunReading> own, CancellationToken cancel)
    {
        var combined = Readings.Combine([.. own.Select(r => r.ToReading())]);
        foreach (var gone in run.Told.Except(own).ToList())
        {
            run.Readings.Remove(gone);
        }

        // One reading under the run's own number is the run itself.
        if (own.Count == 1 && own[0].ClientId == run.ClientId)
        {
            db.RunReadings.Remove(own[0]);
            run.Readings.Remove(own[0]);
        }
        else
        {
            run.Readings.AddRange(own.Except(run.Readings).ToList());
        }

        (run.Method, run.Trigger, run.Conflict, run.Picked) = (combined.Method, combined.Trigger, combined.Conflict, "");
        SetMarks(run, combined.Marks);
        await SettleAsync(run, cancel);
    }

    /// <summary>Takes back one's own reading of a rep that others have read too; what they read stands.</summary>
    /// <returns>The run and the reading, or null when there is no such reading beside another.</returns>
    public Task<(Run Run, RunReading Reading)?> TakeBackAsync(int sessionId, long runId, string by, CancellationToken cancel = default) => StepAsync<(Run Run, RunReading Reading)?>(
        async () =>
        {
            var run = await Whole(db.Runs).Include(r => r.Athlete).SingleOrDefaultAsync(r => r.Id == runId && r.SessionId == sessionId, cancel);
            if (run is not { Told.Count: > 1 } || run.Told.LastOrDefault(r => r.By == by) is not { } own)
            {
                return null;
            }

            own.DeletedAt = clock.GetUtcNow().UtcDateTime;
            await ReadAnewAsync(run, own, by, cancel);
            return (run, own);
        },
        cancel);

    /// <summary>Puts a reading back that was taken back.</summary>
    /// <returns>False when there is none.</returns>
    public Task<bool> PutBackAsync(int sessionId, long runId, int readingId, string by, CancellationToken cancel = default) => StepAsync(
        async () =>
        {
            var run = await Whole(db.Runs).SingleOrDefaultAsync(r => r.Id == runId && r.SessionId == sessionId, cancel);
            if (run?.Readings.FirstOrDefault(r => r.Id == readingId && r.By == by && r.DeletedAt is not null) is not { } own)
            {
                return false;
            }

            own.DeletedAt = null;
            await ReadAnewAsync(run, own, by, cancel);
            return true;
        },
        cancel);

    // What was picked stays picked unless it was, or was made of, the reading that came or went.
    private async Task ReadAnewAsync(Run run, RunReading changed, string by, CancellationToken cancel)
    {
        if (run.Picked.Length == 0 || run.Picked == "mean" || run.Picked == changed.Id.ToString(System.Globalization.CultureInfo.InvariantCulture))
        {
            var combined = Readings.Combine([.. run.Told.Select(r => r.ToReading())]);
            (run.Method, run.Trigger, run.Conflict, run.Picked) = (combined.Method, combined.Trigger, combined.Conflict, "");
            await ReplaceMarksAsync(run, combined.Marks, by, cancel);
        }
        else if (run.Told.Count < 2)
        {
            run.Conflict = null;
        }

        await db.SaveChangesAsync(cancel);
        Changed(run);
    }

    public Task<List<RunCorrection>> CorrectionsAsync(long runId, CancellationToken cancel = default) =>
        db.RunCorrections.AsNoTracking().Where(c => c.RunId == runId).OrderByDescending(c => c.Id).ToListAsync(cancel);

    private async Task ReplaceMarksAsync(Run run, IReadOnlyList<LoggedMark> marks, string by, CancellationToken cancel)
    {
        Remember(run, by);
        SetMarks(run, marks);
        await SettleAsync(run, cancel);
    }

    private void Remember(Run run, string by) =>
        db.RunCorrections.Add(new RunCorrection { RunId = run.Id, At = clock.GetUtcNow().UtcDateTime, By = by, OldMarks = run.Marks.Count == 0 ? "no time" : run.MarksText() });

    private void Join(Run run, NewRun entry, LineTiming timing)
    {
        AddSeen(run, entry);
        foreach (var measure in entry.Measures.Where(m => run.Measures.All(k => k.Kind != m.Kind)))
        {
            run.Measures.Add(new() { Kind = measure.Kind, Value = measure.Value });
        }

        var at = entry.FinishedAt ?? clock.GetUtcNow().UtcDateTime;
        if (entry.Marks.Count == 0)
        {
            // "No time" beside a time adds nothing; still it is remembered, so that sending it again does not make a run of it.
            run.Readings.Add(new() { ClientId = entry.ClientId, By = entry.By, Method = timing.Method, Trigger = timing.Trigger, FinishedAt = at, MarksJson = RunReading.NoMarks });
            return;
        }

        if (run.Marks.Count > 0 && run.Told.Count == 0)
        {
            run.Readings.Add(new() { ClientId = run.ClientId, By = run.LoggedBy, Method = run.Method, Trigger = run.Trigger, FinishedAt = run.FinishedAt, MarksJson = RunMapping.MarksJson(run.ToLogged().Marks) });
        }

        run.Readings.Add(new() { ClientId = entry.ClientId, By = entry.By, Method = timing.Method, Trigger = timing.Trigger, FinishedAt = at, MarksJson = RunMapping.MarksJson(entry.Marks) });
        if (run.Picked.Length > 0)
        {
            run.Conflict = "A new reading came after one was picked. Pick again.";
            return;
        }

        var combined = Readings.Combine([.. run.Told.Select(r => r.ToReading())]);
        (run.Outcome, run.Method, run.Trigger, run.Conflict) = (RunOutcome.Timed, combined.Method, combined.Trigger, combined.Conflict);
        SetMarks(run, combined.Marks);
    }
}
