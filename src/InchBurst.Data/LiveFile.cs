using System.Text.Json;
using InchBurst.Core.Live;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data;

/// <summary>A running session in the file: read as one value, and written back as far as it changed.</summary>
internal sealed class LiveFile(ClubDb db, int sessionId)
{
    private readonly Dictionary<Guid, Run> rows = [];

    /// <summary>The whole session with its gates and the commands carried out, or null when there is none.</summary>
    public static async Task<LiveState?> ReadAllAsync(ClubDb db, int sessionId, CancellationToken cancel) => await new LiveFile(db, sessionId).ReadAsync(cancel) is not { } state ? null : state with
    {
        Gates = Of(await db.GateReadings.AsNoTracking().Where(g => g.SessionId == sessionId).OrderBy(g => g.Id).ToListAsync(cancel), state),
        Done = [.. await db.DoneCommands.Where(c => c.SessionId == sessionId).Select(c => c.ClientId).ToListAsync(cancel)],
    };

    /// <summary>The session as one value, without gates and commands carried out; null when there is none.</summary>
    public async Task<LiveState?> ReadAsync(CancellationToken cancel)
    {
        if (await db.Sessions.AsNoTracking().SingleOrDefaultAsync(s => s.Id == sessionId, cancel) is not { } session)
        {
            return null;
        }

        var people = await db.Attendance.AsNoTracking().Include(a => a.Athlete).Where(a => a.SessionId == sessionId).OrderBy(a => a.Order).ToListAsync(cancel);
        var runs = await TracksideBook.Told(db.Runs.AsNoTracking().IgnoreQueryFilters()).Where(r => r.SessionId == sessionId).OrderBy(r => r.Id).ToListAsync(cancel);
        return Read(session, PlanJson.Read(session.RanPlanJson ?? session.PlanJson), people, runs);
    }

    /// <summary>The session with the gates and the commands carried out that one command needs to know of.</summary>
    public async Task<LiveState> ForAsync(LiveState state, LiveCommand command, CancellationToken cancel)
    {
        var gate = (command as RepCommand)?.Gate ?? (command as DismissGate)?.Gate;
        return state with
        {
            Gates = gate is null ? [] : Of(await db.GateReadings.AsNoTracking().Where(g => g.SessionId == sessionId && g.Id == gate).ToListAsync(cancel), state),
            Done = command.Client != Guid.Empty && await db.DoneCommands.AnyAsync(c => c.ClientId == command.Client, cancel) ? [command.Client] : [],
        };
    }

    /// <summary>The session as one value, without the gates and the commands carried out.</summary>
    public static LiveState Read(TrainingSession session, SessionPlan plan, IEnumerable<Attendance> people, IEnumerable<Run> runs) => new()
    {
        Plan = plan,
        Day = session.Day,
        State = session.State,
        StartedAt = Utc(session.StartedAt),
        EndedAt = Utc(session.EndedAt),
        LineId = session.CurrentLineId,
        Round = session.CurrentRound,
        LineFrom = Utc(session.LineStartedAt),
        Called = session.CalledAthleteId,
        Lanes = session.Lanes,
        Usual = session.UsualTiming(),
        Timings = session.Timings(),
        People = [.. people.Select(Person)],
        Runs = [.. runs.Select(Of)],
    };

    /// <summary>Writes what differs. What is kept of a run's marks is worked out by <paramref name="settle"/>.</summary>
    /// <returns>The session as it is in the file now, without gates and commands carried out, and the athletes whose runs changed.</returns>
    public async Task<(LiveState State, IReadOnlyCollection<int> Touched)> WriteAsync(LiveState before, LiveStep step, LiveCommand command, string by, DateTime now, Func<Run, Task> settle, CancellationToken cancel)
    {
        var after = step.State;
        await WriteSessionAsync(before, after, cancel);
        await WritePeopleAsync(before, after, cancel);
        var touched = await WriteRunsAsync(before, after, now, settle, cancel);
        foreach (var id in after.Done.Except(before.Done))
        {
            db.DoneCommands.Add(new() { ClientId = id, SessionId = sessionId, At = now });
        }

        foreach (var rewritten in step.Events.OfType<RunRewritten>())
        {
            db.RunCorrections.Add(new() { RunId = before.Runs.Single(r => r.Id == rewritten.Run).Number, At = now, By = by, OldMarks = rewritten.Before });
        }

        await db.SaveChangesAsync(cancel);
        var stored = Numbered(after);
        foreach (var (gate, was) in after.Gates.Zip(before.Gates).Where(g => g.First.UsedFor is not null && g.Second.UsedFor is null))
        {
            var row = await db.GateReadings.SingleAsync(g => g.Id == was.Number, cancel);
            row.UsedFor = gate.UsedFor == Guid.Empty ? 0 : stored.Runs.Single(r => r.Id == gate.UsedFor).Number;
            await db.SaveChangesAsync(cancel);
        }

        return (stored, touched);
    }

    // What came into the book has numbers now.
    private LiveState Numbered(LiveState after) => after with
    {
        Gates = [],
        Done = [],
        People = [.. after.People.OrderBy(p => p.Order)],
        Runs = rows.Count == 0 ? after.Runs :
        [
            .. after.Runs.Select(r => !rows.TryGetValue(r.Id, out var row) ? r : r with
            {
                Number = row.Id,
                What = r.What with { Id = row.Id },
                Readings = [.. r.Readings.Select(x => x with { Number = row.Readings.First(k => k.ClientId == x.Id).Id })],
            }),
        ],
    };

    private async Task WriteSessionAsync(LiveState before, LiveState after, CancellationToken cancel)
    {
        var (plan, timings) = (!ReferenceEquals(before.Plan, after.Plan), !ReferenceEquals(before.Timings, after.Timings) || before.Usual != after.Usual);
        if (!plan && !timings && Head(before) == Head(after))
        {
            return;
        }

        var session = await db.Sessions.SingleAsync(s => s.Id == sessionId, cancel);
        if (before.State != after.State && after.State == SessionState.Running)
        {
            session.RanPlanJson ??= session.PlanJson;
        }

        if (plan)
        {
            session.RanPlanJson = PlanJson.Write(after.Plan);
        }

        (session.State, session.StartedAt, session.EndedAt) = (after.State, after.StartedAt, after.EndedAt);
        (session.CurrentLineId, session.CurrentRound, session.LineStartedAt, session.CalledAthleteId, session.Lanes) = (after.LineId, after.Round, after.LineFrom, after.Called, after.Lanes);
        if (timings)
        {
            session.SetTimings(after.Timings, after.Usual);
        }

        if (db.Entry(session).State == EntityState.Modified)
        {
            session.Version++;
        }
    }

    private static object Head(LiveState state) => (state.State, state.StartedAt, state.EndedAt, state.LineId, state.Round, state.LineFrom, state.Called, state.Lanes);

    private async Task WritePeopleAsync(LiveState before, LiveState after, CancellationToken cancel)
    {
        var changed = after.People.Except(before.People).ToDictionary(p => p.AthleteId);
        if (changed.Count == 0)
        {
            return;
        }

        var there = await db.Attendance.Where(a => a.SessionId == sessionId && changed.Keys.Contains(a.AthleteId)).ToDictionaryAsync(a => a.AthleteId, cancel);
        foreach (var person in changed.Values)
        {
            if (!there.TryGetValue(person.AthleteId, out var row))
            {
                row = new() { SessionId = sessionId, AthleteId = person.AthleteId };
                db.Attendance.Add(row);
            }

            (row.Order, row.Present, row.DoneReason, row.OtherWork, row.OtherWorkLineId) = (person.Order, person.Present, person.DoneReason, person.OtherWork, person.OtherWorkLineId);
            (row.HeldReason, row.Holds, row.AllowedBy) = (person.HeldReason, person.Holds, person.AllowedBy);
        }
    }

    private async Task<IReadOnlyCollection<int>> WriteRunsAsync(LiveState before, LiveState after, DateTime now, Func<Run, Task> settle, CancellationToken cancel)
    {
        var was = before.Runs.ToDictionary(r => r.Id);
        var changed = after.Runs.Where(r => !ReferenceEquals(was.GetValueOrDefault(r.Id), r)).ToList();
        var touched = new HashSet<int>();
        if (changed.Where(r => was.ContainsKey(r.Id)).Select(r => r.Id).ToList() is { Count: > 0 } there)
        {
            foreach (var row in await TracksideBook.Told(db.Runs.IgnoreQueryFilters()).Where(r => there.Contains(r.ClientId)).ToListAsync(cancel))
            {
                rows[row.ClientId] = row;
            }
        }

        // A rep's place must be free before another run takes it.
        var moving = changed.Where(r => was.TryGetValue(r.Id, out var old) && old.Rep > 0 && (old.AthleteId, old.Rep) != (r.AthleteId, r.Rep)).ToList();
        if (moving.Count > 1)
        {
            moving.ForEach(r => rows[r.Id].Rep = 0);
            await db.SaveChangesAsync(cancel);
        }

        // New runs first: a reading that goes over to one of them must have its new place before it loses the old.
        var readings = changed.Where(r => rows.ContainsKey(r.Id)).SelectMany(r => rows[r.Id].Readings).ToDictionary(r => r.ClientId);
        foreach (var run in changed.OrderBy(r => rows.ContainsKey(r.Id)))
        {
            if (!rows.TryGetValue(run.Id, out var row))
            {
                rows[run.Id] = row = new() { ClientId = run.Id, SessionId = sessionId, LineId = run.LineId };
            }

            Write(run, row, now);
            WriteReadings(run, row, readings, now);
            touched.UnionWith([run.AthleteId, was.GetValueOrDefault(run.Id)?.AthleteId ?? run.AthleteId]);
            if (row.Id == 0)
            {
                db.Runs.Add(row);
            }
        }

        db.RunReadings.RemoveRange(readings.Where(r => changed.All(c => c.Readings.All(x => x.Id != r.Key))).Select(r => r.Value));
        foreach (var run in changed)
        {
            await settle(rows[run.Id]);
        }

        return touched;
    }

    private static void Write(LiveRun run, Run row, DateTime now)
    {
        var what = run.What;
        (row.AthleteId, row.Athlete, row.Rep, row.Outcome, row.FinishedAt, row.LoggedBy) = (run.AthleteId, row.AthleteId == run.AthleteId ? row.Athlete : null, run.Rep, run.Outcome, run.FinishedAt, run.By);
        (row.Conflict, row.Picked, row.DeletedAt) = (run.Conflict, run.Picked, run.IsTakenBack ? row.DeletedAt ?? now : null);
        (row.Day, row.Kind, row.Effort, row.Method, row.Trigger, row.Start, row.Side) = (what.Day, what.Kind, what.Effort, what.Method, what.Trigger, what.Start, what.Side);
        (row.StartBehindGateMetres, row.StartSaid, row.RunInMetres, row.Surface, row.Course, row.Load) = (what.StartBehindGateMetres, what.StartSaid, what.RunInMetres, what.Surface, what.Course, what.Load);
        (row.Shoes, row.Wind, row.Altitude, row.Reaction) = (what.Setting.Shoes, what.Setting.WindMetresPerSecond, what.Setting.AltitudeMetres, what.ReactionSeconds);
        (row.ZoneFrom, row.ZoneTo) = (what.Zone?.From, what.Zone?.To);
        row.SetMarks(what.Marks);
        row.Seen.RemoveAll(s => !run.Seen.Contains(s.Code));
        row.Seen.AddRange(run.Seen.Where(s => row.Seen.All(k => k.Code != s)).Select(s => new RunSeen { Code = s }).ToList());
        row.Measures.AddRange(run.Measures.Where(m => row.Measures.All(k => k.Kind != m.Kind)).Select(m => new RunMeasure { Kind = m.Kind, Value = m.Value }).ToList());
    }

    // A reading that is another run's now goes over to it.
    private static void WriteReadings(LiveRun run, Run row, Dictionary<Guid, RunReading> known, DateTime now)
    {
        row.Readings.RemoveAll(r => run.Readings.All(x => x.Id != r.ClientId));
        foreach (var reading in run.Readings)
        {
            if (!known.TryGetValue(reading.Id, out var of))
            {
                of = new() { ClientId = reading.Id, By = reading.By, Method = reading.Method, Trigger = reading.Trigger, FinishedAt = reading.At, MarksJson = reading.Marks.Count == 0 ? RunReading.NoMarks : RunMapping.MarksJson(reading.Marks) };
            }

            of.DeletedAt = reading.IsTakenBack ? of.DeletedAt ?? now : null;
            if (!row.Readings.Contains(of))
            {
                row.Readings.Add(of);
            }
        }
    }

    // The file does not say of which zone its times are; all of them are UTC.
    private static DateTime? Utc(DateTime? at) => at is { } time ? DateTime.SpecifyKind(time, DateTimeKind.Utc) : null;

    private static IReadOnlyList<LiveGate> Of(IEnumerable<GateReading> gates, LiveState state) =>
        [.. gates.Select(g => new LiveGate(g.Id, g.Lane, JsonSerializer.Deserialize<List<GatePass>>(g.PassesJson)!, g.UsedFor is { } used ? used == 0 ? Guid.Empty : state.Run(used)?.Id ?? Guid.Empty : null) { Start = g.Start })];

    private static LivePerson Person(Attendance a) => new(a.AthleteId, a.Athlete!.Name, a.Order)
    {
        Present = a.Present,
        DoneReason = a.DoneReason,
        HeldReason = a.HeldReason,
        Holds = a.Holds,
        AllowedBy = a.AllowedBy,
        OtherWork = a.OtherWork,
        OtherWorkLineId = a.OtherWorkLineId,
    };

    private static LiveRun Of(Run run) => new()
    {
        Id = run.ClientId,
        Number = run.Id,
        AthleteId = run.AthleteId,
        LineId = run.LineId,
        Rep = run.Rep,
        Outcome = run.Outcome,
        FinishedAt = Utc(run.FinishedAt)!.Value,
        What = run.ToLogged(),
        Conflict = run.Conflict,
        Picked = run.Picked,
        By = run.LoggedBy,
        IsTakenBack = run.DeletedAt is not null,
        Readings = [.. run.Readings.OrderBy(r => r.Id).Select(r => new LiveReading(r.ClientId, r.By, r.Method, r.Trigger, r.ToReading().Marks, Utc(r.FinishedAt)!.Value) { Number = r.Id, IsTakenBack = r.DeletedAt is not null })],
        Seen = [.. run.Seen.Select(s => s.Code)],
        Measures = [.. run.Measures.OrderBy(m => m.Kind).Select(m => new Measured(m.Kind, m.Value))],
    };
}
