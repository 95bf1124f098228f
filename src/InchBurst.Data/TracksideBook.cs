using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.Load;
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

    /// <summary>The session as one value.</summary>
    public LiveState State { get; } = LiveFile.Read(Session, Plan, Attendance, Runs);
}

/// <summary>A command carried out.</summary>
/// <param name="Step">What became of it.</param>
/// <param name="Run">Number of the run it is about.</param>
public sealed record LiveDone(LiveStep Step, long? Run)
{
    /// <summary>What devices were told of it, or null when nothing changed.</summary>
    public LiveNews? News { get; init; }
}

/// <summary>Who asks something of a running session.</summary>
/// <param name="Name">Their name.</param>
/// <param name="IsCoach">True for coaches and owners.</param>
public sealed record LiveAsker(string Name, bool IsCoach);

/// <summary>Running a session and keeping its book.</summary>
public sealed partial class TracksideBook(ClubDb db, CurveShelf shelf, SquadBook squads, ResultsBook results, RosterBook roster, LoadBook loads, CatalogueShelf catalogue, LiveWire wire, LiveShelf running, WriteTurn turn, TimeProvider clock)
{
    // What devices are told once it is stored: the session as it is then and what changed, or nulls where all of it has to be read anew.
    private readonly Dictionary<int, (LiveState State, LiveChange Change)?> changed = [];
    private readonly Dictionary<int, LiveNews> told = [];
    private readonly HashSet<(int Athlete, DateOnly Day)> forget = [];
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
        inStep = db.IsLiveStep = true;
        told.Clear();
        try
        {
            db.ChangeTracker.Clear();
            await using var step = await db.Database.BeginTransactionAsync(cancel);
            var since = running.Writes;
            var done = await act();
            await step.CommitAsync(cancel);
            db.ChangeTracker.Clear();
            foreach (var (athlete, day) in forget)
            {
                shelf.Forget(athlete, day);
            }

            foreach (var (session, what) in changed)
            {
                Keep(session, what?.State, since);
                told[session] = wire.Tell(session, what is { Change: { IsWide: false } change } ? change.Write() : null);
            }

            return done;
        }
        finally
        {
            inStep = db.IsLiveStep = false;
            changed.Clear();
            forget.Clear();
        }
    }

    private void Keep(int session, LiveState? state, long since)
    {
        if (state is null)
        {
            running.Forget(session);
        }
        else
        {
            running.Put(session, state, since);
        }
    }

    /// <summary>The session a run belongs to; 0 where there is no such run.</summary>
    public Task<int> SessionOfAsync(long runId, CancellationToken cancel = default) => db.Runs.AsNoTracking().Where(r => r.Id == runId).Select(r => r.SessionId).FirstOrDefaultAsync(cancel);

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

    /// <summary>
    /// Carries a command out on the session as it is now: loaded, applied by Core's rules, and what changed written in one step.
    /// </summary>
    /// <param name="sessionId">Number of the session.</param>
    /// <param name="command">What is asked.</param>
    /// <param name="asker">Who asks.</param>
    /// <param name="cancel">Gives up.</param>
    /// <returns>What became of it with the run it is about, or null when there is no such session.</returns>
    public async Task<LiveDone?> DoAsync(int sessionId, LiveCommand command, LiveAsker asker, CancellationToken cancel = default)
    {
        var done = await StepAsync(() => StepAsync(sessionId, command, asker, cancel), cancel);
        return done?.Step.Answer == LiveAnswer.Stored ? done with { News = told.GetValueOrDefault(sessionId) } : done;
    }

    private async Task<LiveDone?> StepAsync(int sessionId, LiveCommand command, LiveAsker asker, CancellationToken cancel)
    {
        var file = new LiveFile(db, sessionId);
        var isSecond = changed.ContainsKey(sessionId);
        if ((isSecond ? null : running.Get(sessionId)) is not { } known && (known = await file.ReadAsync(cancel)) is null)
        {
            return null;
        }

        var before = await file.ForAsync(known, command, cancel);
        var now = clock.GetUtcNow().UtcDateTime;
        var club = await db.Clubs.AsNoTracking().SingleAsync(cancel);
        var exercises = catalogue.Current(db);
        var world = new LiveWorld(now, asker.Name, asker.IsCoach, exercises) { DistanceUnit = club.DistanceUnit, MassUnit = club.MassUnit, Facts = await FactsAsync(sessionId, before, command, exercises, cancel), IsTaken = await IsTakenAsync(sessionId, command, cancel) };
        var step = LiveSteps.Apply(before, command, world);
        if (step.Answer != LiveAnswer.Stored)
        {
            return new(step, step.Run is { } there ? before.Runs.FirstOrDefault(r => r.Id == there)?.Number : null);
        }

        var (state, touched) = await file.WriteAsync(before, step, command, asker.Name, now, run => SettleAsync(run, cancel), cancel);
        forget.UnionWith(touched.Select(athlete => (athlete, state.Day)));
        foreach (var pain in step.Events.OfType<PainNoted>())
        {
            await roster.NotePainAsync(pain.Athlete, pain.Reason, asker.Name, DateOnly.FromDateTime(clock.GetLocalNow().DateTime), cancel);
        }

        // What the gates report next is drawn with the picture.
        var change = LiveChange.Between(known, state);
        var gates = await db.GateReadings.AnyAsync(g => g.SessionId == sessionId && g.UsedFor == null, cancel);
        changed[sessionId] = isSecond ? null : (state, change with { IsWide = change.IsWide || before.Gates.Count > 0 || gates });
        return new(step, step.Run is { } run ? state.Runs.FirstOrDefault(r => r.Id == run)?.Number : null);
    }

    /// <summary>A session as one value, as it stands in the book; null when there is none.</summary>
    public Task<LiveState?> StateAsync(int sessionId, CancellationToken cancel = default) => LiveFile.ReadAllAsync(db, sessionId, cancel);

    // A device's number for a rep is one rep's in the whole book.
    private async Task<bool> IsTakenAsync(int sessionId, LiveCommand command, CancellationToken cancel) =>
        command is RepCommand && (await db.Runs.IgnoreQueryFilters().AnyAsync(r => r.ClientId == command.Client && r.SessionId != sessionId, cancel)
            || await db.RunReadings.AnyAsync(x => x.ClientId == command.Client && db.Runs.IgnoreQueryFilters().Any(r => r.Id == x.RunId && r.SessionId != sessionId), cancel));

    // What is known of an athlete is needed only where figures are judged.
    private async Task<EntryFacts> FactsAsync(int sessionId, LiveState state, LiveCommand command, ExerciseCatalogue exercises, CancellationToken cancel)
    {
        if (command is not SaveRep save || state.Plan.Line(save.Line) is not { } line || LineDemand.Of(line, exercises) is not { Course: not null } demand)
        {
            return EntryFacts.None;
        }

        return new(await squads.BestSpeedAsync(save.Athlete, cancel), await results.RangesAsync(save.Athlete, demand, state.TimingOf(line.Id), save.Side, cancel)) { LoadKilograms = await LoadAsync(sessionId, save.Athlete, demand, state, cancel) };
    }

    private async Task<double?> LoadAsync(int sessionId, int athleteId, LineDemand demand, LiveState state, CancellationToken cancel)
    {
        if (demand.AppliedLoad is not { Kind: LoadKind.Sled or LoadKind.Chain } load || await roster.FindAsync(athleteId, cancel) is not { } athlete)
        {
            return null;
        }

        var (kit, _) = await loads.KitAsync(cancel);
        var sled = await db.Sessions.Where(s => s.Id == sessionId).Select(s => s.Sled).SingleAsync(cancel);
        var known = await loads.KnownAsync(athlete, state.TimingOf(demand.Line.Id).Surface, kit, state.Day, cancel, sessionId, withCosts: false, sled);
        var pace = known.Known with { Curve = (await squads.CurveAsync(athlete.Id, cancel)).Fit?.Curve ?? await squads.PaceAsync((await squads.AthletesAsync(athlete.SquadId, cancel: cancel)).Where(a => a.Availability != Availability.Out).Select(a => a.Id), cancel) };
        return LiveLoad.Kilograms(load, pace, kit.Shared(2, sled).FirstOrDefault());
    }

    /// <summary>Keeps what is written after a session: ratings, minutes and notes.</summary>
    /// <param name="sessionId">Number of the session.</param>
    /// <param name="change">What to change.</param>
    /// <param name="cancel">Gives up.</param>
    public Task<LiveSession?> ChangeAsync(int sessionId, Action<LiveSession> change, CancellationToken cancel = default) => StepAsync(
        async () =>
        {
            if (await LoadAsync(sessionId, cancel) is not { } live)
            {
                return null;
            }

            change(live);
            live.Session.Version++;
            await db.SaveChangesAsync(cancel);
            changed[sessionId] = null;
            return live;
        },
        cancel);

    public Task<List<RunCorrection>> CorrectionsAsync(long runId, CancellationToken cancel = default) =>
        db.RunCorrections.AsNoTracking().Where(c => c.RunId == runId).OrderByDescending(c => c.Id).ToListAsync(cancel);

    /// <summary>Says what a run was run in, apart from its session; its times stay as they are.</summary>
    /// <param name="sessionId">Number of the session.</param>
    /// <param name="runId">The run.</param>
    /// <param name="setting">Shoes and wind of its own, or null for the session's.</param>
    /// <param name="reaction">Time from the gun to the first movement in s, or null.</param>
    /// <param name="cancel">Gives up.</param>
    /// <returns>False when there is no such run.</returns>
    public Task<bool> SetSettingAsync(int sessionId, long runId, RunSetting? setting, double? reaction, CancellationToken cancel = default) => StepAsync(
        async () =>
        {
            if (await LoadAsync(sessionId, cancel) is not { } live || live.Runs.FirstOrDefault(r => r.Id == runId) is not { } run)
            {
                return false;
            }

            run.HasOwnSetting = setting is not null;
            (run.Shoes, run.Wind, run.Reaction) = (setting?.Shoes ?? live.Session.Shoes, setting is null ? live.Session.Wind : setting.WindMetresPerSecond, reaction);
            await SettleAsync(run, cancel);
            live.Session.Version++;
            await db.SaveChangesAsync(cancel);
            forget.Add((run.AthleteId, run.Day));
            changed[sessionId] = null;
            return true;
        },
        cancel);

    // What a run says.
    internal static IQueryable<Run> Told(IQueryable<Run> runs) => runs.Include(r => r.Marks).Include(r => r.Readings).Include(r => r.Seen).Include(r => r.Measures).AsSplitQuery();

    // What is kept of a run's marks, worked out anew.
    private async Task SettleAsync(Run run, CancellationToken cancel)
    {
        if (db.Entry(run) is { State: EntityState.Unchanged or EntityState.Modified } entry)
        {
            await entry.Collection(r => r.Stretches).LoadAsync(cancel);
        }

        run.Settle();
        run.EstimatedSpeed = null;
        if (run is { FlyingSpeed: null, Marks.Count: > 0, DeletedAt: null } && run.ToLogged() is var logged && EstimatedSpeed.IsFor(logged))
        {
            run.EstimatedSpeed = EstimatedSpeed.Of(logged, await squads.TauBeforeAsync(run.AthleteId, run.Day, cancel));
        }
    }
}
