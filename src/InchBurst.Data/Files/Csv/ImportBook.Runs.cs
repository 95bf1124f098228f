using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data.Files.Csv;

/// <summary>Sessions, who was there, runs and what was measured.</summary>
public sealed partial class ImportBook
{
    private async Task SessionsAsync(List<TrainingSession> items, string by, Changes changes, CancellationToken cancel)
    {
        db.Sessions.AddRange(items);
        await db.SaveChangesAsync(cancel);
        db.PlanRevisions.AddRange(items.Select(s => new PlanRevision { SessionId = s.Id, Number = 0, PlanJson = s.PlanJson, Lanes = s.Lanes, What = "read in", By = by, At = clock.GetUtcNow().UtcDateTime }));
        await db.SaveChangesAsync(cancel);
        changes.Sessions.AddRange(items.Select(s => s.Id));
    }

    private async Task ThereAsync(List<ThereItem> items, Changes changes, CancellationToken cancel)
    {
        var sessions = items.Select(i => i.SessionId).Distinct().ToList();
        var rows = await db.Attendance.Where(a => sessions.Contains(a.SessionId)).ToListAsync(cancel);
        var (by, last) = (rows.ToDictionary(a => (a.SessionId, a.AthleteId)), rows.GroupBy(a => a.SessionId).ToDictionary(g => g.Key, g => g.Max(a => a.Order)));
        foreach (var item in items)
        {
            if (by.TryGetValue((item.SessionId, item.AthleteId), out var row))
            {
                changes.There.Add(new(item.SessionId, item.AthleteId, new(row.SessionId, row.AthleteId, row.Present, row.Rating, row.Minutes, row.Note)));
            }
            else
            {
                changes.There.Add(new(item.SessionId, item.AthleteId, null));
                row = db.Attendance.Add(new() { SessionId = item.SessionId, AthleteId = item.AthleteId, Order = last[item.SessionId] = last.GetValueOrDefault(item.SessionId) + 1 }).Entity;
            }

            (row.Present, row.Rating, row.Minutes, row.Note) = (item.Present, item.Rating, item.Minutes, item.Note);
        }

        await db.SaveChangesAsync(cancel);
    }

    private async Task UndoThereAsync(Changes changes, CancellationToken cancel)
    {
        foreach (var (session, athlete, was) in changes.There)
        {
            if (await db.Attendance.SingleOrDefaultAsync(a => a.SessionId == session && a.AthleteId == athlete, cancel) is not { } row)
            {
                continue;
            }

            if (was is not null)
            {
                (row.Present, row.Rating, row.Minutes, row.Note) = (was.Present, was.Rating, was.Minutes, was.Note);
            }
            else if (!await db.Runs.AnyAsync(r => r.SessionId == session && r.AthleteId == athlete, cancel))
            {
                db.Attendance.Remove(row);
            }
        }
    }

    private async Task MeasuresAsync(List<MeasuredItem> items, Changes changes, CancellationToken cancel)
    {
        foreach (var (run, measured) in items)
        {
            db.RunMeasures.AddRange(measured.Select(m => new RunMeasure { RunId = run, Kind = m.Kind, Value = m.Value }));
            changes.Measures.AddRange(measured.Select(m => new MeasureAdded(run, m.Kind)));
        }

        await db.SaveChangesAsync(cancel);
    }

    // Runs join the sessions that are there; what has none becomes a session of its day with a line for each work.
    private async Task RunsAsync(List<RunItem> items, string by, Changes changes, Action<int, int>? done, CancellationToken cancel)
    {
        if (items.Count == 0)
        {
            return;
        }

        var joined = items.Where(i => i.Place is not null).Select(i => i.Place!.Value.Session).Distinct().ToList();
        var lines = (await db.Sessions.AsNoTracking().Where(s => joined.Contains(s.Id)).Select(s => new { s.Id, Plan = s.RanPlanJson ?? s.PlanJson }).ToListAsync(cancel))
            .SelectMany(s => PlanJson.Read(s.Plan).Lines.Select(l => (Key: (s.Id, l.Id), Demand: LineDemand.Of(l, catalogue)))).ToDictionary(l => l.Key, l => l.Demand);
        var made = await MadeAsync([.. items.Where(i => i.Place is null)], changes, lines, cancel);
        var there = (await db.Attendance.Where(a => joined.Contains(a.SessionId)).Select(a => new { a.SessionId, a.AthleteId }).ToListAsync(cancel)).Select(a => (a.SessionId, a.AthleteId));
        await ThereAsync([.. items.Where(i => i.Place is not null).Select(i => (i.Place!.Value.Session, i.AthleteId)).Distinct().Except(there).Select(t => new ThereItem(t.Item1, t.AthleteId, true, null, null, ""))], changes, cancel);
        var (next, stored) = ((await db.Runs.IgnoreQueryFilters().MaxAsync(r => (long?)r.Id, cancel) ?? 0) + 1, 0);
        var used = (await db.Runs.Where(r => joined.Contains(r.SessionId) && r.Rep > 0).Select(r => new { r.SessionId, r.AthleteId, r.LineId, r.Rep }).ToListAsync(cancel)).Select(r => (r.SessionId, r.AthleteId, r.LineId, r.Rep)).ToHashSet();
        foreach (var chunk in items.OrderBy(i => i.Day).ThenBy(i => i.Finished).ThenBy(i => i.Rep).Chunk(RowsAStep))
        {
            var runs = chunk.Select(item =>
            {
                var (session, line) = item.Place ?? made[(item.Day, item.SquadId, item.Session, KeyOf(item))];
                var rep = item.Rep;
                while (rep > 0 && !used.Add((session, item.AthleteId, line, rep)))
                {
                    rep++;
                }

                var at = item.Finished ?? item.Day.ToDateTime(new TimeOnly(12, 0), DateTimeKind.Utc).AddSeconds(stored % 3600);
                stored++;
                if (item.Place is not null)
                {
                    changes.Runs.Add(next);
                }

                return RowOf(item, lines[(session, line)], session, line, rep, at, by, next++);
            }).ToList();
            await BulkRows.InsertAsync(db, runs, cancel);
            await BulkRows.InsertAsync(db, runs.SelectMany(r => r.Marks), cancel);
            await BulkRows.InsertAsync(db, runs.SelectMany(r => r.Stretches), cancel);
            await BulkRows.InsertAsync(db, runs.SelectMany(r => r.Measures), cancel);
            done?.Invoke(stored, items.Count);
        }
    }

    private static Run RowOf(RunItem item, LineDemand demand, int session, int line, int rep, DateTime at, string by, long id)
    {
        var run = new Run
        {
            Id = id,
            ClientId = Guid.NewGuid(),
            SessionId = session,
            AthleteId = item.AthleteId,
            LineId = line,
            Rep = rep,
            Day = item.Day,
            FinishedAt = at,
            Outcome = item.Outcome,
            Kind = demand.Line.Kind,
            Effort = item.Effort,
            Method = item.Method,
            Trigger = item.Trigger,
            Side = item.Side,
            Surface = item.Surface,
            Shoes = item.Setting.Shoes,
            Wind = item.Setting.WindMetresPerSecond,
            Altitude = item.Setting.AltitudeMetres,
            Reaction = item.Reaction,
            LoggedBy = by,
        };
        run.SetDemand(demand);
        run.SetMarks(item.Marks);
        run.Settle();
        run.Marks.ForEach(m => m.RunId = id);
        run.Stretches.ForEach(s => s.RunId = id);
        run.Measures.AddRange(item.Measured.Select(m => new RunMeasure { RunId = id, Kind = m.Kind, Value = m.Value }));
        return run;
    }

    // The sessions that are made: one a day, squad and name, with a line for each work, everybody in the file present.
    private async Task<Dictionary<(DateOnly, int, string, string), (int Session, int Line)>> MadeAsync(List<RunItem> items, Changes changes, Dictionary<(int, int), LineDemand> lines, CancellationToken cancel)
    {
        var found = new Dictionary<(DateOnly, int, string, string), (int, int)>();
        var sessions = new List<(TrainingSession Session, SessionPlan Plan, List<(string Key, int Line)> Keys)>();
        foreach (var day in items.GroupBy(i => (i.Day, i.SquadId, i.Session)).OrderBy(g => g.Key.Day))
        {
            var (plan, keys) = (SessionPlan.Empty, new List<(string, int)>());
            foreach (var trial in day.GroupBy(KeyOf))
            {
                var reading = ShorthandLine.Read(WorkOf([.. trial]), new(Core.Units.DistanceUnit.Metre, catalogue));
                plan = plan.Add(reading.Line ?? throw new InvalidOperationException($"{trial.Key}: {reading.Problem!.Message}"));
                keys.Add((trial.Key, plan.Lines.Last().Id));
            }

            var at = day.Key.Day.ToDateTime(new TimeOnly(12, 0), DateTimeKind.Utc);
            var json = PlanJson.Write(plan);
            var session = new TrainingSession { Name = day.Key.Session.Length > 0 ? day.Key.Session : day.All(i => i.Marks.Count == 0) ? "Imported measures" : "Imported times", Day = day.Key.Day, SquadId = day.Key.SquadId, PlanJson = json, RanPlanJson = json, State = SessionState.Ended, StartedAt = at, EndedAt = at.AddHours(1), Notes = "Read in from a file." };
            var order = 0;
            session.Attendance.AddRange(day.Select(t => t.AthleteId).Distinct().Select(id => new Attendance { AthleteId = id, Present = true, Order = ++order }));
            sessions.Add((session, plan, keys));
        }

        db.Sessions.AddRange(sessions.Select(s => s.Session));
        await db.SaveChangesAsync(cancel);
        foreach (var ((session, plan, keys), day) in sessions.Zip(items.GroupBy(i => (i.Day, i.SquadId, i.Session)).OrderBy(g => g.Key.Day)))
        {
            changes.Sessions.Add(session.Id);
            keys.ForEach(k => found[(day.Key.Day, day.Key.SquadId, day.Key.Session, k.Key)] = (session.Id, k.Line));
            foreach (var line in plan.Lines)
            {
                lines[(session.Id, line.Id)] = LineDemand.Of(line, catalogue);
            }
        }

        db.ChangeTracker.Clear();
        return found;
    }

    // The line as it was written, else one of its marks with as many reps as the busiest athlete has.
    private static string WorkOf(List<RunItem> trial)
    {
        if (trial[0].Work.Length > 0)
        {
            return trial[0].Work;
        }

        var marks = trial[0].Marks;
        var most = trial.GroupBy(t => t.AthleteId).Max(g => Math.Max(g.Count(), g.Max(t => t.Rep)));
        return $"{Math.Min(100, most)} x {marks[^1].At}{(marks.Count > 1 ? $" gates {string.Join(",", marks.Select(m => m.At.ToString()))}" : "")}";
    }

    private static string KeyOf(RunItem item) => item.Work.Length > 0 ? item.Work : string.Join('|', item.Marks.Select(m => m.At.ToString()));
}
