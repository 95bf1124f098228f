using InchBurst.Core.Live;
using InchBurst.Core.Plan;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Storage;

namespace InchBurst.Data;

/// <summary>A session with its plan read.</summary>
public sealed record PlannedSession(TrainingSession Session, SessionPlan Plan, bool CanUndo, bool CanRedo);

/// <summary>Sessions and the history of their plans.</summary>
public sealed class SessionBook(ClubDb db, CurveShelf shelf, TimeProvider clock)
{
    public async Task<PlannedSession?> FindAsync(int id, CancellationToken cancel = default)
    {
        var session = await db.Sessions.Include(s => s.Squad).SingleOrDefaultAsync(s => s.Id == id, cancel);
        return session is null ? null : await WithPlanAsync(session, cancel);
    }

    public Task<TrainingSession?> OnDayAsync(DateOnly day, int squadId, CancellationToken cancel = default) =>
        db.Sessions.AsNoTracking().Include(s => s.Squad).Where(s => s.Day == day && s.SquadId == squadId).OrderBy(s => s.Id).FirstOrDefaultAsync(cancel);

    public Task<List<TrainingSession>> ListAsync(DateOnly from, DateOnly to, CancellationToken cancel = default) =>
        db.Sessions.AsNoTracking().Include(s => s.Squad).Where(s => s.Day >= from && s.Day <= to).OrderByDescending(s => s.Day).ThenBy(s => s.Id).ToListAsync(cancel);

    /// <summary>The squad's latest session that was run, else the latest planned, whose lanes and straight are the first guess for the next.</summary>
    public Task<TrainingSession?> LastOfAsync(int squadId, CancellationToken cancel = default) =>
        db.Sessions.AsNoTracking().Where(s => s.SquadId == squadId).OrderByDescending(s => s.StartedAt != null).ThenByDescending(s => s.Day).ThenByDescending(s => s.Id).FirstOrDefaultAsync(cancel);

    public Task<TrainingSession?> RemovedAsync(int id, CancellationToken cancel = default) =>
        db.Sessions.IgnoreQueryFilters().AsNoTracking().SingleOrDefaultAsync(s => s.Id == id && s.DeletedAt != null, cancel);

    /// <summary>Does something to a session and its plan; when somebody else changed it meanwhile, it is done again on what is there now.</summary>
    /// <returns>What was done, or null when there is no such session.</returns>
    public async Task<T?> OnAsync<T>(int id, Func<PlannedSession, Task<T>> act, CancellationToken cancel = default)
        where T : class
    {
        for (var tries = 0; ; tries++)
        {
            if (await FindAsync(id, cancel) is not { } planned)
            {
                return null;
            }

            try
            {
                return await act(planned);
            }
            catch (DbUpdateConcurrencyException) when (tries < Overtaken.MostTries)
            {
                db.ChangeTracker.Clear();
            }
        }
    }

    public async Task<TrainingSession> CreateAsync(TrainingSession session, SessionPlan plan, string by, CancellationToken cancel = default)
    {
        await using var step = await BeginAsync(cancel);
        session.PlanJson = PlanJson.Write(plan);
        db.Sessions.Add(session);
        await db.SaveChangesAsync(cancel);
        db.PlanRevisions.Add(new PlanRevision { SessionId = session.Id, Number = 0, PlanJson = session.PlanJson, Lanes = session.Lanes, What = "made", By = by, At = clock.GetUtcNow().UtcDateTime });
        await db.SaveChangesAsync(cancel);
        if (step is not null)
        {
            await step.CommitAsync(cancel);
        }

        return session;
    }

    /// <summary>Stores a new version of the plan; versions that were undone before it are dropped.</summary>
    public async Task<PlannedSession> ChangeAsync(PlannedSession planned, SessionPlan plan, string what, string by, string? clientId = null, CancellationToken cancel = default)
    {
        var session = planned.Session;
        await using var step = await BeginAsync(cancel);

        // Before anything is dropped: whoever comes second finds the session changed and drops nothing that the first one made.
        var version = session.Version;
        if (!await db.Sessions.AnyAsync(s => s.Id == session.Id && s.Version == version, cancel))
        {
            throw new DbUpdateConcurrencyException("The session was changed meanwhile.");
        }

        await db.PlanRevisions.Where(r => r.SessionId == session.Id && r.Number > session.Revision).ExecuteDeleteAsync(cancel);
        session.Revision++;
        session.Version++;
        SetPlan(session, PlanJson.Write(plan));
        db.PlanRevisions.Add(new PlanRevision { SessionId = session.Id, Number = session.Revision, PlanJson = session.PlanJson, Lanes = session.Lanes, What = what, By = by, At = clock.GetUtcNow().UtcDateTime, ClientId = clientId });
        await db.SaveChangesAsync(cancel);
        if (step is not null)
        {
            await step.CommitAsync(cancel);
        }

        return await WithPlanAsync(session, cancel);
    }

    /// <summary>True when a change with this number of its page's is stored already.</summary>
    public Task<bool> HasAsync(int sessionId, string clientId, CancellationToken cancel = default) => db.PlanRevisions.AnyAsync(r => r.SessionId == sessionId && r.ClientId == clientId, cancel);

    /// <summary>Steps back or forward along the plan's versions; unchanged at either end.</summary>
    public async Task<PlannedSession> StepAsync(PlannedSession planned, int step, CancellationToken cancel = default)
    {
        var session = planned.Session;
        var target = await db.PlanRevisions.SingleOrDefaultAsync(r => r.SessionId == session.Id && r.Number == session.Revision + step, cancel);
        if (target is not null)
        {
            session.Revision = target.Number;
            SetPlan(session, target.PlanJson);
            session.Lanes = target.Lanes ?? session.Lanes;
            session.Version++;
            await db.SaveChangesAsync(cancel);
        }

        return await WithPlanAsync(session, cancel);
    }

    /// <summary>Versions of a plan, the latest first.</summary>
    public Task<List<PlanRevision>> VersionsAsync(int sessionId, CancellationToken cancel = default) =>
        db.PlanRevisions.AsNoTracking().Where(r => r.SessionId == sessionId).OrderByDescending(r => r.Number).Take(200).ToListAsync(cancel);

    /// <summary>Cues of a squad's sessions, the latest first.</summary>
    public Task<List<string>> CuesAsync(int squadId, CancellationToken cancel = default) =>
        db.Sessions.Where(s => s.SquadId == squadId && s.Cue != "").OrderByDescending(s => s.Day).ThenByDescending(s => s.Id).Select(s => s.Cue).Take(40).ToListAsync(cancel);

    /// <summary>Cues of the squad's sessions before one, the latest first.</summary>
    public Task<List<string>> CuesBeforeAsync(TrainingSession session, CancellationToken cancel = default) =>
        db.Sessions.Where(s => s.SquadId == session.SquadId && s.Day < session.Day && s.Id != session.Id).OrderByDescending(s => s.Day).Select(s => s.Cue).Take(3).ToListAsync(cancel);

    /// <summary>Plans of the squad's sessions in the days before one, as they were run where they were.</summary>
    public Task<List<string>> BeforeAsync(TrainingSession session, int days, CancellationToken cancel = default)
    {
        var from = session.Day.AddDays(-days);
        return db.Sessions.Where(s => s.SquadId == session.SquadId && s.Id != session.Id && s.Day >= from && s.Day < session.Day).Select(s => s.RanPlanJson ?? s.PlanJson).ToListAsync(cancel);
    }

    /// <summary>What the squad did in its latest sessions before one: the plan as it was run, and by line the reps of each who did it.</summary>
    public async Task<IReadOnlyList<(DateOnly Day, SessionPlan Plan, ILookup<int, int> Reps)>> DoneBeforeAsync(TrainingSession session, int most = 8, CancellationToken cancel = default)
    {
        var before = await db.Sessions.AsNoTracking().Where(s => s.SquadId == session.SquadId && s.Group == session.Group && s.Id != session.Id && s.Day < session.Day && s.State == SessionState.Ended)
            .OrderByDescending(s => s.Day).ThenByDescending(s => s.Id).Take(most).Select(s => new { s.Id, s.Day, Json = s.RanPlanJson ?? s.PlanJson }).ToListAsync(cancel);
        var ids = before.Select(s => s.Id).ToList();
        var reps = await db.Runs.Where(r => ids.Contains(r.SessionId) && r.Outcome != Core.Log.RunOutcome.Skipped && r.Outcome != Core.Log.RunOutcome.Again)
            .GroupBy(r => new { r.SessionId, r.LineId, r.AthleteId }).Select(g => new { g.Key.SessionId, g.Key.LineId, Reps = g.Count() }).ToListAsync(cancel);
        return [.. before.Select(s => (s.Day, PlanJson.Read(s.Json), reps.Where(r => r.SessionId == s.Id).ToLookup(r => r.LineId, r => r.Reps)))];
    }

    public Task<List<KeptPlan>> KeptAsync(CancellationToken cancel = default) => db.KeptPlans.AsNoTracking().OrderBy(p => p.Name).ToListAsync(cancel);

    public Task<KeptPlan?> KeptAsync(int id, CancellationToken cancel = default) => db.KeptPlans.AsNoTracking().SingleOrDefaultAsync(p => p.Id == id, cancel);

    public async Task<KeptPlan> KeepAsync(string name, PlannedSession planned, string by, CancellationToken cancel = default)
    {
        var kept = new KeptPlan { Name = name, WindowMinutes = planned.Session.WindowMinutes, PlanJson = planned.Session.PlanJson, By = by, At = clock.GetUtcNow().UtcDateTime };
        db.KeptPlans.Add(kept);
        await db.SaveChangesAsync(cancel);
        return kept;
    }

    public Task ForgetKeptAsync(int id, bool forgotten, CancellationToken cancel = default) =>
        db.KeptPlans.IgnoreQueryFilters().Where(p => p.Id == id).ExecuteUpdateAsync(u => u.SetProperty(p => p.DeletedAt, forgotten ? clock.GetUtcNow().UtcDateTime : null), cancel);

    /// <summary>Stores what is set for the whole session; lanes chosen here are not undone with the plan.</summary>
    public async Task SaveSettingsAsync(TrainingSession session, CancellationToken cancel = default)
    {
        await using var step = await db.Database.BeginTransactionAsync(cancel);
        var changed = new HashSet<(int Athlete, DateOnly Day)>();
        var of = db.Entry(session);
        if (of.Property(s => s.Surface).IsModified || of.Property(s => s.Shoes).IsModified || of.Property(s => s.Wind).IsModified || of.Property(s => s.Altitude).IsModified)
        {
            // What was run there was run on it and in it, whenever somebody says so.
            foreach (var run in await db.Runs.IgnoreQueryFilters().Include(r => r.Marks).Include(r => r.Stretches).Where(r => r.SessionId == session.Id).ToListAsync(cancel))
            {
                (run.Surface, run.Altitude) = (session.Surface, session.Altitude);
                (run.Shoes, run.Wind) = run.HasOwnSetting ? (run.Shoes, run.Wind) : (session.Shoes, session.Wind);
                run.Settle();
                changed.Add((run.AthleteId, run.Day));
            }
        }

        await SaveAsync(session, cancel);
        await db.PlanRevisions.Where(r => r.SessionId == session.Id).ExecuteUpdateAsync(u => u.SetProperty(r => r.Lanes, session.Lanes), cancel);
        await step.CommitAsync(cancel);
        foreach (var (athlete, day) in changed)
        {
            shelf.Forget(athlete, day);
        }
    }

    public async Task SaveAsync(TrainingSession session, CancellationToken cancel = default)
    {
        session.Version++;
        await db.SaveChangesAsync(cancel);
    }

    public async Task DeleteAsync(TrainingSession session, CancellationToken cancel = default)
    {
        session.DeletedAt = clock.GetUtcNow().UtcDateTime;
        await SaveAsync(session, cancel);
    }

    public async Task<TrainingSession?> BringBackAsync(int id, CancellationToken cancel = default)
    {
        var session = await db.Sessions.IgnoreQueryFilters().SingleOrDefaultAsync(s => s.Id == id, cancel);
        if (session is not null)
        {
            session.DeletedAt = null;
            await SaveAsync(session, cancel);
        }

        return session;
    }

    // A step of its own, or part of the one that is under way.
    private async Task<IDbContextTransaction?> BeginAsync(CancellationToken cancel) => db.Database.CurrentTransaction is null ? await db.Database.BeginTransactionAsync(cancel) : null;

    // A session that is running follows its plan; one that has ended keeps the plan as it was run.
    private static void SetPlan(TrainingSession session, string json)
    {
        session.PlanJson = json;
        if (session.State == SessionState.Running)
        {
            session.RanPlanJson = json;
        }
    }

    private async Task<PlannedSession> WithPlanAsync(TrainingSession session, CancellationToken cancel) => new(
        session,
        PlanJson.Read(session.PlanJson),
        session.Revision > 0,
        await db.PlanRevisions.AnyAsync(r => r.SessionId == session.Id && r.Number == session.Revision + 1, cancel));
}
