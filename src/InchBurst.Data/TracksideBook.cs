using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Data.Entities;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data;

/// <summary>A session as it is run: the plan as taken trackside, who is here, what was logged.</summary>
public sealed record LiveSession(TrainingSession Session, SessionPlan Plan, IReadOnlyList<Attendance> Attendance, IReadOnlyList<Run> Runs);

/// <summary>A run to log.</summary>
public sealed record NewRun(Guid ClientId, int AthleteId, int LineId, RunOutcome Outcome, IReadOnlyList<LoggedMark> Marks, string By);

/// <summary>Running a session and keeping its book.</summary>
public sealed class TracksideBook(ClubDb db, CurveShelf shelf, TimeProvider clock)
{
    public async Task<LiveSession?> LoadAsync(int sessionId, CancellationToken cancel = default)
    {
        var session = await db.Sessions.Include(s => s.Squad).SingleOrDefaultAsync(s => s.Id == sessionId, cancel);
        if (session is null)
        {
            return null;
        }

        var attendance = await db.Attendance.Include(a => a.Athlete).Where(a => a.SessionId == sessionId).OrderBy(a => a.Order).ToListAsync(cancel);
        var runs = await db.Runs.Include(r => r.Marks).Where(r => r.SessionId == sessionId).OrderBy(r => r.FinishedAt).ThenBy(r => r.Id).ToListAsync(cancel);
        return new(session, PlanJson.Read(session.RanPlanJson ?? session.PlanJson), attendance, runs);
    }

    /// <summary>Sets who is here; everybody of the squad gets a row, in the order given.</summary>
    public async Task SetAttendanceAsync(TrainingSession session, IReadOnlyList<(int AthleteId, bool Present)> rows, CancellationToken cancel = default)
    {
        var existing = await db.Attendance.Where(a => a.SessionId == session.Id).ToDictionaryAsync(a => a.AthleteId, cancel);
        var order = existing.Values.Select(a => a.Order).DefaultIfEmpty(0).Max();
        foreach (var (athleteId, present) in rows)
        {
            if (!existing.TryGetValue(athleteId, out var row))
            {
                row = new Attendance { SessionId = session.Id, AthleteId = athleteId, Order = ++order };
                db.Attendance.Add(row);
            }

            row.Present = present;
        }

        await db.SaveChangesAsync(cancel);
    }

    /// <summary>Changes the state of a running session; when another device changed it meanwhile, the change is made again on what is there now.</summary>
    public async Task<LiveSession?> ChangeAsync(int sessionId, Action<LiveSession> change, CancellationToken cancel = default)
    {
        for (var tries = 0; ; tries++)
        {
            if (await LoadAsync(sessionId, cancel) is not { } live)
            {
                return null;
            }

            change(live);
            live.Session.Version++;
            try
            {
                await db.SaveChangesAsync(cancel);
                return live;
            }
            catch (DbUpdateConcurrencyException) when (tries < 8)
            {
                db.ChangeTracker.Clear();
            }
        }
    }

    /// <summary>Starts the clock, keeping a copy of the plan as it is now.</summary>
    public Task<LiveSession?> StartAsync(int sessionId, CancellationToken cancel = default) => ChangeAsync(
        sessionId,
        live =>
        {
            var session = live.Session;
            session.RanPlanJson ??= session.PlanJson;
            session.State = SessionState.Running;
            session.StartedAt ??= clock.GetUtcNow().UtcDateTime;
            session.EndedAt = null;
            session.CurrentLineId ??= PlanJson.Read(session.RanPlanJson).Lines.FirstOrDefault()?.Id;
        },
        cancel);

    public Task<LiveSession?> EndAsync(int sessionId, CancellationToken cancel = default) => ChangeAsync(
        sessionId, live => (live.Session.State, live.Session.EndedAt) = (SessionState.Ended, clock.GetUtcNow().UtcDateTime), cancel);

    /// <summary>Stores a run once, however often it is sent. Gives the stored run.</summary>
    public async Task<Run> LogAsync(LiveSession live, NewRun entry, CancellationToken cancel = default)
    {
        if (await StoredAsync(entry.ClientId, cancel) is { } before)
        {
            return before;
        }

        var session = live.Session;
        var line = live.Plan.Line(entry.LineId) ?? throw new ArgumentException("The plan has no such line.", nameof(entry));
        var run = new Run
        {
            ClientId = entry.ClientId,
            SessionId = session.Id,
            AthleteId = entry.AthleteId,
            LineId = entry.LineId,
            Day = session.Day,
            FinishedAt = clock.GetUtcNow().UtcDateTime,
            Outcome = entry.Outcome,
            Kind = line.Kind,
            Effort = line.HardestEffort,
            Method = session.Method,
            Trigger = session.Trigger,
            Start = line.Start?.Position,
            StartBehindGateMetres = session.StartBehindGateMetres,
            LoggedBy = entry.By,
        };
        run.Marks.AddRange(entry.Marks.Select(m => m.ToMark()));
        run.FlyingSpeed = run.Marks.Count == 0 ? null : run.ToLogged().FastestFlying?.MeanSpeed;
        db.Runs.Add(run);
        try
        {
            await db.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException e) when (e.InnerException is SqliteException { SqliteErrorCode: 19 } && e is not DbUpdateConcurrencyException)
        {
            // The same run arrived twice at the same moment; the first one is the run.
            db.Entry(run).State = EntityState.Detached;
            return await StoredAsync(entry.ClientId, cancel) ?? throw new InvalidOperationException("The run could not be stored.", e);
        }

        // A called athlete has had their turn. Set past the version on purpose: two people saving at once must never refuse each other.
        await db.Sessions.Where(s => s.Id == session.Id && s.CalledAthleteId == entry.AthleteId).ExecuteUpdateAsync(u => u.SetProperty(s => s.CalledAthleteId, (int?)null), cancel);
        db.ChangeTracker.Clear();
        shelf.Forget(entry.AthleteId);
        return run;
    }

    /// <summary>Takes a run out of the book; it can be put back.</summary>
    public async Task<Run?> SetDeletedAsync(int sessionId, long runId, bool deleted, CancellationToken cancel = default)
    {
        var run = await db.Runs.IgnoreQueryFilters().Include(r => r.Marks).Include(r => r.Athlete).SingleOrDefaultAsync(r => r.Id == runId && r.SessionId == sessionId, cancel);
        if (run is not null)
        {
            run.DeletedAt = deleted ? clock.GetUtcNow().UtcDateTime : null;
            await db.SaveChangesAsync(cancel);
            shelf.Forget(run.AthleteId);
        }

        return run;
    }

    /// <summary>Puts other marks in a run and keeps the old ones with who changed them.</summary>
    public async Task CorrectAsync(Run run, IReadOnlyList<LoggedMark> marks, string by, CancellationToken cancel = default)
    {
        db.RunCorrections.Add(new RunCorrection { RunId = run.Id, At = clock.GetUtcNow().UtcDateTime, By = by, OldMarks = run.MarksText() });
        db.Marks.RemoveRange(run.Marks);
        await db.SaveChangesAsync(cancel);
        run.Marks.Clear();
        run.Marks.AddRange(marks.Select(m => m.ToMark()));
        run.Outcome = RunOutcome.Timed;
        run.FlyingSpeed = run.ToLogged().FastestFlying?.MeanSpeed;
        await db.SaveChangesAsync(cancel);
        shelf.Forget(run.AthleteId);
    }

    public Task<List<RunCorrection>> CorrectionsAsync(long runId, CancellationToken cancel = default) =>
        db.RunCorrections.AsNoTracking().Where(c => c.RunId == runId).OrderByDescending(c => c.Id).ToListAsync(cancel);

    private Task<Run?> StoredAsync(Guid clientId, CancellationToken cancel) =>
        db.Runs.IgnoreQueryFilters().Include(r => r.Marks).SingleOrDefaultAsync(r => r.ClientId == clientId, cancel);
}
