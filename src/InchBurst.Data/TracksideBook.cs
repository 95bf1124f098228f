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
    public int NextRep(int athleteId, int lineId)
    {
        var used = Counted(athleteId, lineId).Select(r => r.Rep).ToHashSet();
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
public sealed class TracksideBook(ClubDb db, CurveShelf shelf, SquadBook squads, CatalogueShelf catalogue, LiveWire wire, TimeProvider clock)
{
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
        wire.Tell(session.Id);
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
                wire.Tell(sessionId);
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
            session.LineStartedAt ??= session.StartedAt;
            session.CurrentLineId ??= PlanJson.Read(session.RanPlanJson).Lines.FirstOrDefault()?.Id;
        },
        cancel);

    public Task<LiveSession?> EndAsync(int sessionId, CancellationToken cancel = default) => ChangeAsync(
        sessionId, live => (live.Session.State, live.Session.EndedAt) = (SessionState.Ended, clock.GetUtcNow().UtcDateTime), cancel);

    /// <summary>Stores a run once, however often it is sent. A rep that is in the book already gets a second reading instead. Gives the stored run.</summary>
    public async Task<Run> LogAsync(LiveSession live, NewRun entry, CancellationToken cancel = default)
    {
        if (await StoredAsync(entry.ClientId, cancel) is { } before)
        {
            return before;
        }

        var line = live.Plan.Line(entry.LineId) ?? throw new ArgumentException("The plan has no such line.", nameof(entry));
        for (var tries = 0; ; tries++)
        {
            // Read inside the loop: another device may have stored this rep a moment ago.
            var own = await Whole(db.Runs).Where(r => r.SessionId == live.Session.Id && r.AthleteId == entry.AthleteId && r.LineId == entry.LineId).ToListAsync(cancel);
            var now = live with { Runs = own };
            var same = entry.Outcome == RunOutcome.Again || entry.Rep is not { } claimed ? null : own.FirstOrDefault(r => r.Rep == claimed && r.Outcome != RunOutcome.Again);
            Run? added = null;
            if (same is null)
            {
                added = Make(live.Session, LineDemand.Of(line, catalogue.Current(db)), entry, entry.Rep ?? now.NextRep(entry.AthleteId, entry.LineId));
                await SettleAsync(added, cancel);
                db.Runs.Add(added);
            }
            else
            {
                Join(same, entry, Timing(live.Session, entry));
                await SettleAsync(same, cancel);
            }

            try
            {
                await db.SaveChangesAsync(cancel);
            }
            catch (DbUpdateException e) when (tries < 8 && e.InnerException is SqliteException { SqliteErrorCode: 19 } && e is not DbUpdateConcurrencyException)
            {
                // The same run, or another reading of the same rep, arrived at the same moment: look again at what is there.
                db.ChangeTracker.Clear();
                if (await StoredAsync(entry.ClientId, cancel) is { } first)
                {
                    return first;
                }

                continue;
            }

            // A called athlete has had their turn. Set past the version on purpose: two people saving at once must never refuse each other.
            await db.Sessions.Where(s => s.Id == live.Session.Id && s.CalledAthleteId == entry.AthleteId).ExecuteUpdateAsync(u => u.SetProperty(s => s.CalledAthleteId, (int?)null), cancel);
            if (entry.Gate is { } gate)
            {
                await UseGateAsync(live.Session.Id, gate, (added ?? same!).Id, cancel);
            }

            db.ChangeTracker.Clear();
            shelf.Forget(entry.AthleteId);
            wire.Tell(live.Session.Id);
            return added ?? same!;
        }
    }

    /// <summary>Takes a run out of the book; it can be put back.</summary>
    public async Task<Run?> SetDeletedAsync(int sessionId, long runId, bool deleted, CancellationToken cancel = default)
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
            shelf.Forget(run.AthleteId);
            wire.Tell(sessionId);
        }

        return run;
    }

    /// <summary>Puts other marks in a run and keeps the old ones with who changed them.</summary>
    public async Task CorrectAsync(Run run, IReadOnlyList<LoggedMark> marks, string by, CancellationToken cancel = default)
    {
        run.Outcome = RunOutcome.Timed;
        run.Conflict = null;
        await ReplaceMarksAsync(run, marks, by, cancel);

        // A reading that comes later does not wipe a correction away.
        run.Picked = run.Readings.Count > 0 ? Run.Corrected : "";
        await db.SaveChangesAsync(cancel);
        shelf.Forget(run.AthleteId);
        wire.Tell(run.SessionId);
    }

    /// <summary>Chooses what stands for a rep that was read twice: a reading by its number, "mean", or "two" when they were two runs.</summary>
    /// <returns>False when there is no such run or reading.</returns>
    public async Task<bool> PickAsync(int sessionId, long runId, string what, string by, CancellationToken cancel = default)
    {
        var run = await Whole(db.Runs).SingleOrDefaultAsync(r => r.Id == runId && r.SessionId == sessionId, cancel);
        if (run is null || run.Told.Count < 2)
        {
            return false;
        }

        var chosen = run.Told.FirstOrDefault(r => r.Id.ToString(System.Globalization.CultureInfo.InvariantCulture) == what);
        if (what == "two")
        {
            var told = run.Told;
            var rep = await db.Runs.Where(r => r.SessionId == sessionId && r.AthleteId == run.AthleteId && r.LineId == run.LineId).MaxAsync(r => r.Rep, cancel);
            db.RunReadings.RemoveRange(told);
            await ReplaceMarksAsync(run, told[0].ToReading().Marks, by, cancel);
            foreach (var reading in told.Skip(1))
            {
                var own = reading.ToReading();
                var other = new Run
                {
                    ClientId = reading.ClientId,
                    SessionId = run.SessionId,
                    AthleteId = run.AthleteId,
                    LineId = run.LineId,
                    Day = run.Day,
                    FinishedAt = reading.FinishedAt,
                    Outcome = RunOutcome.Timed,
                    Kind = run.Kind,
                    Effort = run.Effort,
                    Method = reading.Method,
                    Trigger = reading.Trigger,
                    Start = run.Start,
                    StartBehindGateMetres = run.StartBehindGateMetres,
                    StartSaid = run.StartSaid,
                    RunInMetres = run.RunInMetres,
                    Course = run.Course,
                    Load = run.Load,
                    ZoneFrom = run.ZoneFrom,
                    ZoneTo = run.ZoneTo,
                    Side = run.Side,
                    Rep = ++rep,
                    LoggedBy = reading.By,
                };
                SetMarks(other, own.Marks);
                await SettleAsync(other, cancel);
                db.Runs.Add(other);
            }

            (run.Conflict, run.Picked) = (null, "");
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
        shelf.Forget(run.AthleteId);
        wire.Tell(sessionId);
        return true;
    }

    /// <summary>Takes back one's own reading of a rep that others have read too; what they read stands.</summary>
    /// <returns>The run and the reading, or null when there is no such reading beside another.</returns>
    public async Task<(Run Run, RunReading Reading)?> TakeBackAsync(int sessionId, long runId, string by, CancellationToken cancel = default)
    {
        var run = await Whole(db.Runs).Include(r => r.Athlete).SingleOrDefaultAsync(r => r.Id == runId && r.SessionId == sessionId, cancel);
        if (run is not { Told.Count: > 1 } || run.Told.LastOrDefault(r => r.By == by) is not { } own)
        {
            return null;
        }

        own.DeletedAt = clock.GetUtcNow().UtcDateTime;
        await ReadAnewAsync(run, own, by, cancel);
        return (run, own);
    }

    /// <summary>Puts a reading back that was taken back.</summary>
    /// <returns>False when there is none.</returns>
    public async Task<bool> PutBackAsync(int sessionId, long runId, int readingId, string by, CancellationToken cancel = default)
    {
        var run = await Whole(db.Runs).SingleOrDefaultAsync(r => r.Id == runId && r.SessionId == sessionId, cancel);
        if (run?.Readings.FirstOrDefault(r => r.Id == readingId && r.By == by && r.DeletedAt is not null) is not { } own)
        {
            return false;
        }

        own.DeletedAt = null;
        await ReadAnewAsync(run, own, by, cancel);
        return true;
    }

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
        shelf.Forget(run.AthleteId);
        wire.Tell(run.SessionId);
    }

    /// <summary>Notes or takes away something seen on a run; doing either twice is the same as once.</summary>
    public async Task<bool> SeenAsync(int sessionId, long runId, string code, bool on, CancellationToken cancel = default)
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
        wire.Tell(sessionId);
        return true;
    }

    /// <summary>Takes a run from timing gates, once however often it is reported.</summary>
    /// <returns>False when the session is not running.</returns>
    public async Task<bool> ReportAsync(int sessionId, Guid client, int lane, IReadOnlyList<GatePass> passes, CancellationToken cancel = default)
    {
        if (!await db.Sessions.AnyAsync(s => s.Id == sessionId && s.State == SessionState.Running, cancel))
        {
            return false;
        }

        db.GateReadings.Add(new() { ClientId = client, SessionId = sessionId, At = clock.GetUtcNow().UtcDateTime, Lane = lane, PassesJson = System.Text.Json.JsonSerializer.Serialize(passes) });
        try
        {
            await db.SaveChangesAsync(cancel);
            wire.Tell(sessionId);
        }
        catch (DbUpdateException e) when (e.InnerException is SqliteException { SqliteErrorCode: 19 })
        {
            // Reported before.
            db.ChangeTracker.Clear();
        }

        return true;
    }

    /// <summary>Notes that the gates of a session are alive.</summary>
    /// <returns>False when the session is not running.</returns>
    public async Task<bool> HearGatesAsync(int sessionId, string name, CancellationToken cancel = default)
    {
        var running = await db.Sessions.AnyAsync(s => s.Id == sessionId && s.State == SessionState.Running, cancel);
        if (running)
        {
            wire.Hear(sessionId, new(name, clock.GetUtcNow().UtcDateTime));
        }

        return running;
    }

    /// <summary>The oldest report of the gates that nobody has saved or dismissed, or null.</summary>
    public Task<GateReading?> NextGateAsync(int sessionId, CancellationToken cancel = default) =>
        db.GateReadings.AsNoTracking().Where(g => g.SessionId == sessionId && g.UsedFor == null).OrderBy(g => g.Id).FirstOrDefaultAsync(cancel);

    /// <summary>Marks a report as used for a run, or with 0 as dismissed.</summary>
    public async Task UseGateAsync(int sessionId, int gate, long run, CancellationToken cancel = default)
    {
        await db.GateReadings.Where(g => g.Id == gate && g.SessionId == sessionId && g.UsedFor == null).ExecuteUpdateAsync(u => u.SetProperty(g => g.UsedFor, run), cancel);
        wire.Tell(sessionId);
    }

    public Task<List<RunCorrection>> CorrectionsAsync(long runId, CancellationToken cancel = default) =>
        db.RunCorrections.AsNoTracking().Where(c => c.RunId == runId).OrderByDescending(c => c.Id).ToListAsync(cancel);

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

    private static void AddSeen(Run run, NewRun entry) => run.Seen.AddRange(
        entry.Seen.Select(CleanSeen).Where(s => s.Length > 0).Distinct().Where(s => run.Seen.All(k => k.Code != s)).Take(MostSeen).Select(s => new RunSeen { Code = s }).ToList());

    private async Task ReplaceMarksAsync(Run run, IReadOnlyList<LoggedMark> marks, string by, CancellationToken cancel)
    {
        db.RunCorrections.Add(new RunCorrection { RunId = run.Id, At = clock.GetUtcNow().UtcDateTime, By = by, OldMarks = run.Marks.Count == 0 ? "no time" : run.MarksText() });
        SetMarks(run, marks);
        await SettleAsync(run, cancel);
        await db.SaveChangesAsync(cancel);
    }

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
