using System.Text.Json;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Season;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Units;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data.Files.Csv;

/// <summary>Brings judged rows into the club, in one step, and takes them back.</summary>
public sealed class ImportBook(ClubDb db, CalendarBook calendar, CurveShelf curves, TimeProvider clock)
{
    private const int RowsAStep = 1000;

    // What a file added and what stood before what it changed.
    private sealed record Changes(List<int> Athletes, List<int> Sessions, List<int> Entries, List<int> Lifts, List<PlayedBefore> Minutes, List<AthleteBefore> Before, int Squad);

    private sealed record PlayedBefore(int Entry, int Athlete, int? Minutes, bool Counts);

    private sealed record AthleteBefore(int Id, AthleteSex Sex, int? BirthYear, double? HeightMetres, double? MassKilograms, string Position, string Guardian, string Notes, DateOnly? ConsentOn);

    /// <summary>What is known of the club for judging a file.</summary>
    /// <param name="kind">Kind of the file.</param>
    /// <param name="squad">The squad in view.</param>
    /// <param name="today">The day.</param>
    /// <param name="unit">Unit of a distance without one.</param>
    /// <param name="cancel">Gives up.</param>
    public async Task<ImportKnown> KnownAsync(ImportKind kind, Squad squad, DateOnly today, DistanceUnit unit, CancellationToken cancel = default)
    {
        var squads = (await db.Squads.AsNoTracking().ToListAsync(cancel)).GroupBy(s => Cells.Folded(s.Name)).ToDictionary(g => g.Key, g => g.First());
        var athletes = await db.Athletes.AsNoTracking().ToListAsync(cancel);
        var entries = await db.CalendarEntries.AsNoTracking().Where(e => e.SquadId == squad.Id).ToListAsync(cancel);
        HashSet<(int, DateOnly, int, int)> runs = kind.Key is not ("times" or "wide") ? [] : [.. (await db.Marks.Join(db.Runs, m => m.RunId, r => r.Id, (m, r) => new { r.Id, r.AthleteId, r.Day, m.Millimetres, m.Seconds }).ToListAsync(cancel))
            .GroupBy(m => m.Id).Select(g => g.MaxBy(m => m.Millimetres)!).Select(m => (m.AthleteId, m.Day, m.Millimetres, (int)Math.Round(m.Seconds * 100)))];
        HashSet<(int, DateOnly, string, double, int)> lifts = kind.Key != "lifts" ? [] : [.. (await db.LiftTests.AsNoTracking().ToListAsync(cancel)).Select(l => (l.AthleteId, l.Day, l.Exercise, l.Kilograms, l.Reps))];
        var minutes = kind.Key != "minutes" ? [] : await db.PlayedMinutes.AsNoTracking().Where(m => m.Entry!.SquadId == squad.Id).ToDictionaryAsync(m => (m.EntryId, m.AthleteId), m => m.Minutes, cancel);
        return new(squad, squads, athletes, entries, runs, lifts, minutes, today, unit);
    }

    /// <summary>What headings of a kind were taken for before.</summary>
    /// <param name="kind">The kind.</param>
    /// <param name="cancel">Gives up.</param>
    public Task<Dictionary<string, string>> MemoryAsync(string kind, CancellationToken cancel = default) => db.ColumnMemories.AsNoTracking().Where(c => c.Kind == kind).ToDictionaryAsync(c => c.Header, c => c.Field, cancel);

    /// <summary>Stores the rows that are new or change something: all of them or none.</summary>
    /// <param name="kind">Kind of the file.</param>
    /// <param name="plan">The judged file.</param>
    /// <param name="header">Its headings.</param>
    /// <param name="columns">What they were taken for.</param>
    /// <param name="squad">The squad in view.</param>
    /// <param name="by">Who brings it in.</param>
    /// <param name="name">Name of the file.</param>
    /// <param name="done">Told how many rows are stored, of how many.</param>
    /// <param name="cancel">Gives up; nothing is stored then.</param>
    /// <returns>Number under which all of it can be taken back.</returns>
    public async Task<int> StoreAsync(ImportKind kind, ImportPlan plan, IReadOnlyList<string> header, IReadOnlyList<string> columns, Squad squad, string by, string name, Action<int, int>? done = null, CancellationToken cancel = default)
    {
        var items = plan.Rows.Where(r => r.Fate is RowFate.New or RowFate.Changes).Select(r => r.Item).OfType<object>().ToList();
        var changes = new Changes([], [], [], [], [], [], squad.Id);
        var detects = db.ChangeTracker.AutoDetectChangesEnabled;
        await using var all = await db.Database.BeginTransactionAsync(cancel);
        try
        {
            await AthletesAsync([.. items.OfType<Athlete>()], changes, cancel);
            await EntriesAsync([.. items.OfType<CalendarEntry>()], changes, cancel);
            await MinutesAsync([.. items.OfType<PlayedMinutes>()], changes, cancel);
            await LiftsAsync([.. items.OfType<LiftTest>()], by, changes, cancel);
            db.ChangeTracker.AutoDetectChangesEnabled = false;
            await TimesAsync([.. items.OfType<TimesItem>()], squad, by, changes, done, cancel);
            db.ChangeTracker.AutoDetectChangesEnabled = detects;
            await RememberAsync(kind.Key, header, columns, cancel);
            var batch = new ImportBatch { At = clock.GetUtcNow().UtcDateTime, By = by, What = $"{kind.Title}: {items.Count} rows of {name}", ChangesJson = JsonSerializer.Serialize(changes) };
            db.ImportBatches.Add(batch);
            await db.SaveChangesAsync(cancel);
            await all.CommitAsync(cancel);
            curves.ForgetAll();
            return batch.Id;
        }
        finally
        {
            db.ChangeTracker.AutoDetectChangesEnabled = detects;
        }
    }

    private async Task RememberAsync(string kind, IReadOnlyList<string> header, IReadOnlyList<string> columns, CancellationToken cancel)
    {
        var there = await db.ColumnMemories.Where(c => c.Kind == kind).ToDictionaryAsync(c => c.Header, cancel);
        for (var i = 0; i < header.Count; i++)
        {
            var folded = Cells.Folded(header[i]);
            if (folded.Length is 0 or > 100)
            {
                continue;
            }

            if (!there.TryGetValue(folded, out var row))
            {
                there[folded] = row = db.ColumnMemories.Add(new() { Kind = kind, Header = folded }).Entity;
            }

            row.Field = columns[i];
        }
    }

    private async Task AthletesAsync(List<Athlete> items, Changes changes, CancellationToken cancel)
    {
        foreach (var item in items)
        {
            if (item.Id == 0)
            {
                db.Athletes.Add(item);
                continue;
            }

            var a = await db.Athletes.SingleAsync(x => x.Id == item.Id, cancel);
            changes.Before.Add(new(a.Id, a.Sex, a.BirthYear, a.HeightMetres, a.MassKilograms, a.Position, a.Guardian, a.Notes, a.ConsentOn));
            a.Sex = item.Sex == AthleteSex.NotSaid ? a.Sex : item.Sex;
            (a.BirthYear, a.HeightMetres, a.MassKilograms, a.ConsentOn) = (item.BirthYear ?? a.BirthYear, item.HeightMetres ?? a.HeightMetres, item.MassKilograms ?? a.MassKilograms, item.ConsentOn ?? a.ConsentOn);
            (a.Position, a.Guardian, a.Notes) = (Said(item.Position, a.Position), Said(item.Guardian, a.Guardian), Said(item.Notes, a.Notes));
        }

        await db.SaveChangesAsync(cancel);
        changes.Athletes.AddRange(items.Where(i => changes.Before.All(b => b.Id != i.Id)).Select(i => i.Id));
    }

    private static string Said(string now, string before) => now.Length > 0 ? now : before;

    private async Task EntriesAsync(List<CalendarEntry> items, Changes changes, CancellationToken cancel)
    {
        db.CalendarEntries.AddRange(items);
        await db.SaveChangesAsync(cancel);
        changes.Entries.AddRange(items.Select(e => e.Id));
    }

    private async Task MinutesAsync(List<PlayedMinutes> items, Changes changes, CancellationToken cancel)
    {
        foreach (var item in items)
        {
            var there = await db.PlayedMinutes.SingleOrDefaultAsync(m => m.EntryId == item.EntryId && m.AthleteId == item.AthleteId, cancel);
            changes.Minutes.Add(new(item.EntryId, item.AthleteId, there?.Minutes, there?.CountsAsTopSpeed ?? false));
            there ??= db.PlayedMinutes.Add(new() { EntryId = item.EntryId, AthleteId = item.AthleteId }).Entity;
            (there.Minutes, there.CountsAsTopSpeed) = (item.Minutes, there.CountsAsTopSpeed || item.CountsAsTopSpeed);
        }

        await db.SaveChangesAsync(cancel);
        if (items.Count > 0)
        {
            await calendar.SettleGroupsAsync(changes.Squad, cancel);
        }
    }

    private async Task LiftsAsync(List<LiftTest> items, string by, Changes changes, CancellationToken cancel)
    {
        items.ForEach(l => l.By = by);
        db.LiftTests.AddRange(items);
        await db.SaveChangesAsync(cancel);
        changes.Lifts.AddRange(items.Select(l => l.Id));
    }

    // Times of a day become a session of that day: a line for each distance with its marks, everybody in the file present.
    private async Task TimesAsync(List<TimesItem> items, Squad squad, string by, Changes changes, Action<int, int>? done, CancellationToken cancel)
    {
        var stored = 0;
        foreach (var day in items.GroupBy(i => (i.Day, i.Session)).OrderBy(g => g.Key.Day))
        {
            var plan = SessionPlan.Empty;
            var lines = new Dictionary<string, PlanLine>();
            foreach (var trial in day.GroupBy(KeyOf))
            {
                var marks = trial.First().Marks;
                var most = trial.GroupBy(t => t.AthleteId).Max(g => Math.Max(g.Count(), g.Max(t => t.Rep)));
                var before = marks.Count > 1 ? $" gates {string.Join(",", marks.Select(m => m.At.ToString()))}" : "";
                var reading = ShorthandLine.Read($"{Math.Min(100, most)} x {marks[^1].At}{before}", ShorthandContext.Metric);
                plan = plan.Add(reading.Line ?? throw new InvalidOperationException($"{trial.Key}: {reading.Problem!.Message}"));
                lines[trial.Key] = plan.Lines.Last();
            }

            var at = day.Key.Day.ToDateTime(new TimeOnly(12, 0), DateTimeKind.Utc);
            var json = PlanJson.Write(plan);
            var session = new TrainingSession { Name = day.Key.Session.Length > 0 ? day.Key.Session : "Imported times", Day = day.Key.Day, SquadId = squad.Id, PlanJson = json, RanPlanJson = json, State = SessionState.Ended, StartedAt = at, EndedAt = at.AddHours(1), Notes = "Read in from a file." };
            var order = 0;
            session.Attendance.AddRange(day.Select(t => t.AthleteId).Distinct().Select(id => new Attendance { AthleteId = id, Present = true, Order = ++order }));
            db.Sessions.Add(session);
            await db.SaveChangesAsync(cancel);
            changes.Sessions.Add(session.Id);
            var used = new HashSet<(int, int, int)>();
            foreach (var chunk in day.OrderBy(t => t.Rep).Chunk(RowsAStep))
            {
                foreach (var item in chunk)
                {
                    var line = lines[KeyOf(item)];
                    var rep = item.Rep;
                    while (!used.Add((item.AthleteId, line.Id, rep)))
                    {
                        rep++;
                    }

                    var run = new Run
                    {
                        ClientId = Guid.NewGuid(),
                        SessionId = session.Id,
                        AthleteId = item.AthleteId,
                        LineId = line.Id,
                        Rep = rep,
                        Day = item.Day,
                        FinishedAt = at.AddSeconds(stored % 3600),
                        Outcome = RunOutcome.Timed,
                        Kind = line.Kind,
                        Effort = item.Effort,
                        Method = item.Method,
                        Trigger = item.Method == TimingMethod.Hand ? StartTrigger.Gun : StartTrigger.FirstGate,
                        LoggedBy = by,
                    };
                    run.SetDemand(LineDemand.Of(line, ExerciseCatalogue.BuiltIn));
                    run.SetMarks([.. item.Marks.Select(m => new LoggedMark(m.At, m.Seconds))]);
                    run.Settle();
                    db.Runs.Add(run);
                    stored++;
                }

                await db.SaveChangesAsync(cancel);
                db.ChangeTracker.Clear();
                done?.Invoke(stored, items.Count);
            }
        }
    }

    private static string KeyOf(TimesItem item) => string.Join('|', item.Marks.Select(m => m.At.ToString()));

    /// <summary>What was brought in, the latest first.</summary>
    /// <param name="cancel">Gives up.</param>
    public Task<List<ImportBatch>> BatchesAsync(CancellationToken cancel = default) => db.ImportBatches.AsNoTracking().OrderByDescending(b => b.Id).Take(20).ToListAsync(cancel);

    /// <summary>Takes all of a file back: what it added goes, what it changed stands as before. False when it was taken back already.</summary>
    /// <param name="id">Number of the import.</param>
    /// <param name="cancel">Gives up.</param>
    public async Task<bool> UndoAsync(int id, CancellationToken cancel = default)
    {
        await using var all = await db.Database.BeginTransactionAsync(cancel);
        if (await db.ImportBatches.SingleOrDefaultAsync(b => b.Id == id && b.UndoneAt == null, cancel) is not { } batch)
        {
            return false;
        }

        var (now, changes) = (clock.GetUtcNow().UtcDateTime, JsonSerializer.Deserialize<Changes>(batch.ChangesJson)!);
        foreach (var session in changes.Sessions)
        {
            await db.RunStretches.Where(s => db.Runs.Any(r => r.Id == s.RunId && r.SessionId == session)).ExecuteDeleteAsync(cancel);
            await db.Runs.Where(r => r.SessionId == session).ExecuteUpdateAsync(u => u.SetProperty(r => r.DeletedAt, now).SetProperty(r => r.FlyingSpeed, (double?)null).SetProperty(r => r.EstimatedSpeed, (double?)null), cancel);
            await db.Sessions.Where(s => s.Id == session).ExecuteUpdateAsync(u => u.SetProperty(s => s.DeletedAt, now), cancel);
        }

        await db.CalendarEntries.Where(e => changes.Entries.Contains(e.Id)).ExecuteUpdateAsync(u => u.SetProperty(e => e.DeletedAt, now), cancel);
        await db.LiftTests.Where(l => changes.Lifts.Contains(l.Id)).ExecuteUpdateAsync(u => u.SetProperty(l => l.DeletedAt, now), cancel);
        foreach (var (entry, athlete, minutes, counts) in changes.Minutes)
        {
            var row = await db.PlayedMinutes.SingleOrDefaultAsync(m => m.EntryId == entry && m.AthleteId == athlete, cancel);
            if (row is not null && minutes is { } before)
            {
                (row.Minutes, row.CountsAsTopSpeed) = (before, counts);
            }
            else if (row is not null)
            {
                db.PlayedMinutes.Remove(row);
            }
        }

        foreach (var before in changes.Before)
        {
            if (await db.Athletes.SingleOrDefaultAsync(a => a.Id == before.Id, cancel) is { } a)
            {
                (a.Sex, a.BirthYear, a.HeightMetres, a.MassKilograms, a.Position, a.Guardian, a.Notes, a.ConsentOn) = (before.Sex, before.BirthYear, before.HeightMetres, before.MassKilograms, before.Position, before.Guardian, before.Notes, before.ConsentOn);
            }
        }

        // Athletes that have done something since stay, retired; the others go.
        var active = await db.Runs.IgnoreQueryFilters().Where(r => changes.Athletes.Contains(r.AthleteId)).Select(r => r.AthleteId).Union(db.Attendance.Where(a => changes.Athletes.Contains(a.AthleteId)).Select(a => a.AthleteId)).ToListAsync(cancel);
        await db.Athletes.Where(a => changes.Athletes.Contains(a.Id) && active.Contains(a.Id)).ExecuteUpdateAsync(u => u.SetProperty(a => a.RetiredAt, now), cancel);
        await db.Athletes.Where(a => changes.Athletes.Contains(a.Id) && !active.Contains(a.Id)).ExecuteDeleteAsync(cancel);
        batch.UndoneAt = now;
        await db.SaveChangesAsync(cancel);
        if (changes.Minutes.Count > 0)
        {
            await calendar.SettleGroupsAsync(changes.Squad, cancel);
        }

        await all.CommitAsync(cancel);
        curves.ForgetAll();
        return true;
    }
}
