using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;
using InchBurst.Data.Entities;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data;

/// <summary>A session as it is run: the plan as taken trackside, who is here, what was logged.</summary>
public sealed record LiveSession(TrainingSession Session, SessionPlan Plan, IReadOnlyList<Attendance> Attendance, IReadOnlyList<Run> Runs)
{
    /// <summary>Runs of an athlete on a line that count as reps.</summary>
    public IEnumerable<Run> Counted(int athleteId, int lineId) => Runs.Where(r => r.AthleteId == athleteId && r.LineId == lineId && r.Outcome != RunOutcome.Again);

    /// <summary>The rep an athlete runs next on a line: the first that has no run yet.</summary>
    public int NextRep(int athleteId, int lineId) => NextRep(Counted(athleteId, lineId));

    /// <summary>The first rep that an athlete's runs of a line leave open.</summary>
    public static int NextRep(IEnumerable<Run> runs)
    {
        var used = runs.Where(r => r.Outcome != RunOutcome.Again).Select(r => r.Rep).ToHashSet();
        return Enumerable.Range(1, used.Count + 1).First(n => !used.Contains(n));
    }
}

/// <summary>A run to log.</summary>
public sealed record NewRun(Guid ClientId, int AthleteId, int LineId, RunOutcome Outcome, IReadOnlyList<LoggedMark> Marks, string By)
{
    /// <summary>The rep as the device that logged it saw it; null takes the next.</summary>
    public int? Rep { get; init; }

    public Side? Side { get; init; }

    /// <summary>When the run ended, as the device had it; null means now.</summary>
    public DateTime? FinishedAt { get; init; }

    public bool ZoneOnly { get; init; }

    /// <summary>Number of the gates' reading it was made from, or null when it was typed.</summary>
    public int? Gate { get; init; }

    public IReadOnlyList<Measured> Measures { get; init; } = [];

    public IReadOnlyList<string> Seen { get; init; } = [];
}

/// <summary>Running a session and keeping its book.</summary>
public sealed partial class TracksideBook(ClubDb db, CurveShelf shelf, SquadBook squads, CatalogueShelf catalogue, LiveWire wire, WriteTurn turn, TimeProvider clock)
{
    private readonly HashSet<int> changed = [];
    private readonly HashSet<int> forget = [];
    private bool inStep;

    /// <summary>
    /// One command, whole or not at all: what it reads is as it is, all it writes is stored together, and devices are told when it is. Nobody else writes meanwhile, so
    /// two people never refuse each other. A step within a step is part of it.
    /// </summary>
    /// <param name="act">What to do.</param>
    /// <param name="cancel">Gives up.</param>
    public async Task<T> StepAsync<T>(Func<Task<T>> act, CancellationToken cancel = default)
    {
        if (inStep)
        {
            return await act();
        }

        using var own = await turn.TakeAsync(cancel);
        inStep = true;
        try
        {
            db.ChangeTracker.Clear();
            await using var step = await db.Database.BeginTransactionAsync(cancel);
            var done = await act();
            await step.CommitAsync(cancel);
            db.ChangeTracker.Clear();
            foreach (var athlete in forget)
            {
                shelf.Forget(athlete);
            }

            foreach (var session in changed)
            {
                wire.Tell(session);
            }

            return done;
        }
        finally
        {
            inStep = false;
            changed.Clear();
            forget.Clear();
        }
    }

    public async Task<LiveSession?> LoadAsync(int sessionId, CancellationToken cancel = default)
    {
        var session = await db.Sessions.Include(s => s.Squad).SingleOrDefaultAsync(s => s.Id == sessionId, cancel);
        if (session is null)
        {
            return null;
        }

        var attendance = await db.Attendance.Include(a => a.Athlete).Where(a => a.SessionId == sessionId).OrderBy(a => a.Order).ToListAsync(cancel);
        var runs = await Told(db.Runs).Where(r => r.SessionId == sessionId).OrderBy(r => r.FinishedAt).ThenBy(r => r.Id).ToListAsync(cancel);
        return new(session, PlanJson.Read(session.RanPlanJson ?? session.PlanJson), attendance, runs);
    }

    /// <summary>When a session ended; null while it has not.</summary>
    public Task<DateTime?> EndedAtAsync(int sessionId, CancellationToken cancel = default) =>
        db.Sessions.Where(s => s.Id == sessionId && s.State == SessionState.Ended).Select(s => s.EndedAt).FirstOrDefaultAsync(cancel);

    /// <summary>Sets who is here; everybody of the squad gets a row, in the order given.</summary>
    public Task<bool> SetAttendanceAsync(int sessionId, IReadOnlyList<(int AthleteId, bool Present)> rows, CancellationToken cancel = default) => StepAsync(async () =>
    {
        var existing = await db.Attendance.Where(a => a.SessionId == sessionId).ToDictionaryAsync(a => a.AthleteId, cancel);
        var order = existing.Values.Select(a => a.Order).DefaultIfEmpty(0).Max();
        foreach (var (athleteId, present) in rows)
        {
            if (!existing.TryGetValue(athleteId, out var row))
            {
                row = new Attendance { SessionId = sessionId, AthleteId = athleteId, Order = ++order };
                db.Attendance.Add(row);
            }

            row.Present = present;
        }

        await db.SaveChangesAsync(cancel);
        return changed.Add(sessionId);
    }, cancel);

    /// <summary>Changes the state of a running session as it is now.</summary>
    /// <param name="sessionId">Number of the session.</param>
    /// <param name="change">What to change.</param>
    /// <param name="client">Number the device gave the command; a command that was carried out before changes nothing. Null for one that is never sent twice.</param>
    /// <param name="cancel">Gives up.</param>
    public Task<LiveSession?> ChangeAsync(int sessionId, Action<LiveSession> change, Guid? client = null, CancellationToken cancel = default) => StepAsync(
        async () =>
        {
            if (await LoadAsync(sessionId, cancel) is not { } live)
            {
                return null;
            }

            if (client is { } made)
            {
                if (await db.DoneCommands.AnyAsync(c => c.ClientId == made, cancel))
                {
                    return live;
                }

                db.DoneCommands.Add(new() { ClientId = made, SessionId = sessionId, At = clock.GetUtcNow().UtcDateTime });
            }

            change(live);
            live.Session.Version++;
            await db.SaveChangesAsync(cancel);
            changed.Add(sessionId);
            return live;
        },
        cancel);

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
            session.LineStartedAt ??= session.StartedAt;
            session.CurrentLineId ??= PlanJson.Read(session.RanPlanJson).Lines.FirstOrDefault()?.Id;
        },
        cancel: cancel);

    public Task<LiveSession?> EndAsync(int sessionId, CancellationToken cancel = default) => ChangeAsync(
        sessionId, live => (live.Session.State, live.Session.EndedAt) = (SessionState.Ended, clock.GetUtcNow().UtcDateTime), cancel: cancel);

    /// <summary>Stores a run once, however often it is sent. A rep that is in the book already gets a second reading instead.</summary>
    /// <returns>The stored run; null when the gates' report it was made from has been saved for another athlete or line.</returns>
    public Task<Run?> LogAsync(int sessionId, NewRun entry, CancellationToken cancel = default) => StepAsync(
        async () =>
        {
            if (await StoredAsync(entry.ClientId, cancel) is { } before)
            {
                return before;
            }

            if (entry.Gate is { } report && await UsedForAsync(sessionId, report, cancel) is { } used)
            {
                return used.AthleteId == entry.AthleteId && used.LineId == entry.LineId ? used : null;
            }

            var session = await db.Sessions.SingleAsync(s => s.Id == sessionId, cancel);
            var line = PlanJson.Read(session.RanPlanJson ?? session.PlanJson).Line(entry.LineId) ?? throw new ArgumentException("The plan has no such line.", nameof(entry));
            var own = await Whole(db.Runs).Where(r => r.SessionId == sessionId && r.AthleteId == entry.AthleteId && r.LineId == entry.LineId).ToListAsync(cancel);
            var run = entry.Outcome == RunOutcome.Again || entry.Rep is not { } claimed ? null : own.FirstOrDefault(r => r.Rep == claimed && r.Outcome != RunOutcome.Again);
            if (run is null)
            {
                run = Make(session, LineDemand.Of(line, catalogue.Current(db)), entry, entry.Rep ?? LiveSession.NextRep(own));
                db.Runs.Add(run);
            }
            else
            {
                Join(run, entry, Timing(session, entry));
            }

            await SettleAsync(run, cancel);

            // A called athlete has had their turn.
            session.CalledAthleteId = session.CalledAthleteId == entry.AthleteId ? null : session.CalledAthleteId;
            await db.SaveChangesAsync(cancel);
            if (entry.Gate is { } gate)
            {
                await MarkGateAsync(sessionId, gate, run.Id, cancel);
            }

            Changed(run);
            return run;
        },
        cancel);

    private void Changed(Run run)
    {
        forget.Add(run.AthleteId);
        changed.Add(run.SessionId);
    }

    /// <summary>Notes or takes away something seen on a run; doing either twice is the same as once.</summary>
    public Task<bool> SeenAsync(int sessionId, long runId, string code, bool on, CancellationToken cancel = default) => StepAsync(
        async () =>
        {
            var run = await db.Runs.Include(r => r.Seen).SingleOrDefaultAsync(r => r.Id == runId && r.SessionId == sessionId, cancel);
            var words = CleanSeen(code);
            if (run is null || words.Length == 0)
            {
                return false;
            }

            if (run.Seen.FirstOrDefault(s => s.Code == words) is { } there)
            {
                if (!on)
                {
                    db.RunSeen.Remove(there);
                }
            }
            else if (on && run.Seen.Count < MostSeen)
            {
                run.Seen.Add(new() { Code = words });
            }

            await db.SaveChangesAsync(cancel);
            changed.Add(sessionId);
            return true;
        },
        cancel);

    /// <summary>Most things noted for one run.</summary>
    private const int MostSeen = 12;

    private static string CleanSeen(string words) => words.Trim() is { Length: > 0 } w ? w[..Math.Min(80, w.Length)] : "";

    // What a run says.
    private static IQueryable<Run> Told(IQueryable<Run> runs) => runs.Include(r => r.Marks).Include(r => r.Readings).Include(r => r.Seen).Include(r => r.Measures).AsSplitQuery();

    // A run with all that changes with it.
    private static IQueryable<Run> Whole(IQueryable<Run> runs) => Told(runs).Include(r => r.Stretches);

    // What is kept of a run's marks, worked out anew.
    private async Task SettleAsync(Run run, CancellationToken cancel)
    {
        if (db.Entry(run) is { State: EntityState.Unchanged or EntityState.Modified } entry)
        {
            await entry.Collection(r => r.Stretches).LoadAsync(cancel);
        }

        run.Settle();
        run.EstimatedSpeed = null;
        if (run is { FlyingSpeed: null, Marks.Count: > 0, DeletedAt: null } && run.Marks.Max(m => m.Millimetres) >= EstimatedSpeed.FromMetres * 1000)
        {
            var tau = (await squads.CurveAsync(run.AthleteId, cancel)).Fit?.Curve.Tau ?? DemandAthlete.UsualCurve.Tau;
            run.EstimatedSpeed = EstimatedSpeed.Of(run.ToLogged(), tau);
        }
    }

    private static LineTiming Timing(TrainingSession session, NewRun entry)
    {
        var timing = session.TimingOf(entry.LineId);
        timing = entry.Gate is null ? timing : timing with { Method = TimingMethod.Electronic };
        return entry.ZoneOnly ? timing with { Trigger = StartTrigger.ZoneLine } : timing.Trigger == StartTrigger.ZoneLine ? timing with { Trigger = StartTrigger.FirstGate } : timing;
    }

    private Run Make(TrainingSession session, LineDemand demand, NewRun entry, int rep)
    {
        var timing = Timing(session, entry);
        var run = new Run
        {
            ClientId = entry.ClientId,
            SessionId = session.Id,
            AthleteId = entry.AthleteId,
            LineId = entry.LineId,
            Day = session.Day,
            FinishedAt = Finished(session, entry),
            Outcome = entry.Outcome,
            Kind = demand.Line.Kind,
            Effort = demand.EffortOfTurn(rep),
            Method = timing.Method,
            Trigger = timing.Trigger,
            StartBehindGateMetres = timing.StartBehindGateMetres,
            StartSaid = timing.StartSaid,
            Surface = timing.Surface,
            Side = entry.Side,
            Rep = entry.Outcome == RunOutcome.Again ? 0 : rep,
            LoggedBy = entry.By,
        };
        run.SetDemand(demand);
        SetMarks(run, entry.Marks);
        run.Measures.AddRange(entry.Measures.Select(m => new RunMeasure { Kind = m.Kind, Value = m.Value }));
        AddSeen(run, entry);
        return run;
    }

    // A device's word for when a run ended is taken when it can be: within the session and not from the future.
    private DateTime Finished(TrainingSession session, NewRun entry)
    {
        var now = clock.GetUtcNow().UtcDateTime;
        return entry.FinishedAt is { } said && said <= now && said >= (session.StartedAt ?? now).AddMinutes(-1) ? said : now;
    }

    private static void AddSeen(Run run, NewRun entry) => run.Seen.AddRange(
        entry.Seen.Select(CleanSeen).Where(s => s.Length > 0).Distinct().Where(s => run.Seen.All(k => k.Code != s)).Take(MostSeen).Select(s => new RunSeen { Code = s }).ToList());

    // Marks that stay keep their row: removing and adding a row of the same key in one save would clash.
    private static void SetMarks(Run run, IReadOnlyList<LoggedMark> marks)
    {
        run.Marks.RemoveAll(m => marks.All(k => k.At.Millimetres != m.Millimetres));
        foreach (var mark in marks)
        {
            if (run.Marks.FirstOrDefault(m => m.Millimetres == mark.At.Millimetres) is { } known)
            {
                known.Seconds = mark.Seconds;
            }
            else
            {
                run.Marks.Add(mark.ToMark());
            }
        }
    }

    private async Task<Run?> StoredAsync(Guid clientId, CancellationToken cancel)
    {
        var all = Whole(db.Runs.IgnoreQueryFilters());
        return await all.SingleOrDefaultAsync(r => r.ClientId == clientId, cancel)
            ?? await all.FirstOrDefaultAsync(r => r.Readings.Any(x => x.ClientId == clientId), cancel);
    }
}
