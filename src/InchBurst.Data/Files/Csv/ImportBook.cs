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
public sealed partial class ImportBook(ClubDb db, CalendarBook calendar, CurveShelf curves, ExerciseCatalogue catalogue, TimeProvider clock)
{
    private const int RowsAStep = 1000;

    // What a file added and what stood before what it changed.
    private sealed record Changes(List<int> Athletes, List<int> Sessions, List<int> Entries, List<int> Lifts, List<PlayedBefore> Minutes, List<AthleteBefore> Before, int Squad)
    {
        // Runs, measured values and people that joined sessions that were there.
        public List<long> Runs { get; init; } = [];

        public List<MeasureAdded> Measures { get; init; } = [];

        public List<ThereBefore> There { get; init; } = [];
    }

    private sealed record MeasureAdded(long Run, MeasureKind Kind);

    // What stood before; nothing stood where Was is null.
    private sealed record ThereBefore(int Session, int Athlete, ThereItem? Was);

    private sealed record PlayedBefore(int Entry, int Athlete, int? Minutes, bool Counts);

    private sealed record AthleteBefore(int Id, AthleteSex Sex, int? BirthYear, double? HeightMetres, double? MassKilograms, string Position, string Guardian, string Notes, DateOnly? ConsentOn)
    {
        public PlayingGroup Group { get; init; }

        public StartStance Stance { get; init; }

        public FrontFoot FrontFoot { get; init; }

        public DateTime? RetiredAt { get; init; }
    }

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
        var entries = await db.CalendarEntries.AsNoTracking().ToListAsync(cancel);
        HashSet<(int, DateOnly, int, int)> runs = kind.Key is not ("times" or "wide") ? [] : [.. (await db.Marks.Join(db.Runs, m => m.RunId, r => r.Id, (m, r) => new { r.Id, r.AthleteId, r.Day, m.Millimetres, m.Seconds }).ToListAsync(cancel))
            .GroupBy(m => m.Id).Select(g => g.MaxBy(m => m.Millimetres)!).Select(m => (m.AthleteId, m.Day, m.Millimetres, (int)Math.Round(m.Seconds * 100)))];
        HashSet<(int, DateOnly, string, double, int)> lifts = kind.Key != "lifts" ? [] : [.. (await db.LiftTests.AsNoTracking().ToListAsync(cancel)).Select(l => (l.AthleteId, l.Day, l.Exercise, l.Kilograms, l.Reps))];
        var minutes = kind.Key != "minutes" ? [] : await db.PlayedMinutes.AsNoTracking().Where(m => m.Entry != null).ToDictionaryAsync(m => (m.EntryId, m.AthleteId), m => m.Minutes, cancel);
        var hasSessions = kind.Key is "times" or "measures" or "sessions" or "attendance";
        return new(squad, squads, athletes, entries, runs, lifts, minutes, today, unit)
        {
            Catalogue = catalogue,
            Sessions = (hasSessions ? await SessionsAsync(kind.Key is "times" or "measures", cancel) : []).ToLookup(s => (s.SquadId, s.Day, s.Name)),
            Reps = kind.Key is "times" or "measures" ? await RepsAsync(cancel) : new(),
            There = kind.Key != "attendance" ? new() : await db.Attendance.AsNoTracking().Select(a => new ThereItem(a.SessionId, a.AthleteId, a.Present, a.Rating, a.Minutes, a.Note)).ToDictionaryAsync(a => (a.SessionId, a.AthleteId), cancel),
        };
    }

    private async Task<List<KnownSession>> SessionsAsync(bool withPlans, CancellationToken cancel)
    {
        var rows = await db.Sessions.AsNoTracking().OrderBy(s => s.Id).Select(s => new { s.Id, s.SquadId, s.Day, s.Name, Plan = withPlans ? s.RanPlanJson ?? s.PlanJson : "" }).ToListAsync(cancel);
        return [.. rows.Select(s => new KnownSession(s.Id, s.SquadId, s.Day, Cells.Folded(s.Name), s.Plan.Length == 0 ? [] : [.. PlanJson.Read(s.Plan).Lines.Select(l => (l.Id, ShorthandPrinter.Print(l, catalogue)))]))];
    }

    private async Task<Dictionary<(int, int, int, int, DateTime), KnownRep>> RepsAsync(CancellationToken cancel)
    {
        var marks = (await db.Marks.AsNoTracking().Select(m => new { m.RunId, m.Millimetres, m.Seconds }).ToListAsync(cancel)).GroupBy(m => m.RunId).ToDictionary(g => g.Key, g => g.MaxBy(m => m.Millimetres)!);
        var measures = (await db.RunMeasures.AsNoTracking().ToListAsync(cancel)).ToLookup(m => m.RunId, m => m.Kind);
        var found = new Dictionary<(int, int, int, int, DateTime), KnownRep>();
        foreach (var r in await db.Runs.AsNoTracking().Select(r => new { r.Id, r.SessionId, r.AthleteId, r.LineId, r.Rep, r.FinishedAt }).ToListAsync(cancel))
        {
            var last = marks.GetValueOrDefault(r.Id);
            found[(r.SessionId, r.AthleteId, r.LineId, r.Rep, r.Rep > 0 ? default : r.FinishedAt)] = new(r.Id, last?.Millimetres ?? 0, (int)Math.Round((last?.Seconds ?? 0) * 100), measures[r.Id].ToHashSet());
        }

        return found;
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
        await using var all = await db.Database.BeginTransactionAsync(cancel);
        await AthletesAsync([.. items.OfType<Athlete>()], changes, cancel);
        await EntriesAsync([.. items.OfType<CalendarEntry>()], changes, cancel);
        await MinutesAsync([.. items.OfType<PlayedMinutes>()], changes, cancel);
        await LiftsAsync([.. items.OfType<LiftTest>()], by, changes, cancel);
        await SessionsAsync([.. items.OfType<TrainingSession>()], by, changes, cancel);
        await ThereAsync([.. items.OfType<ThereItem>()], changes, cancel);
        await RunsAsync([.. items.OfType<RunItem>()], by, changes, done, cancel);
        await MeasuresAsync([.. items.OfType<MeasuredItem>()], changes, cancel);
        await RememberAsync(kind.Key, header, columns, cancel);
        var batch = new ImportBatch { At = clock.GetUtcNow().UtcDateTime, By = by, What = $"{kind.Title}: {items.Count} rows of {name}", ChangesJson = JsonSerializer.Serialize(changes) };
        db.ImportBatches.Add(batch);
        await db.SaveChangesAsync(cancel);
        await all.CommitAsync(cancel);
        curves.ForgetAll();
        return batch.Id;
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
            changes.Before.Add(new(a.Id, a.Sex, a.BirthYear, a.HeightMetres, a.MassKilograms, a.Position, a.Guardian, a.Notes, a.ConsentOn) { Group = a.Group, Stance = a.Stance, FrontFoot = a.FrontFoot, RetiredAt = a.RetiredAt });
            a.Sex = item.Sex == AthleteSex.NotSaid ? a.Sex : item.Sex;
            (a.BirthYear, a.HeightMetres, a.MassKilograms, a.ConsentOn) = (item.BirthYear ?? a.BirthYear, item.HeightMetres ?? a.HeightMetres, item.MassKilograms ?? a.MassKilograms, item.ConsentOn ?? a.ConsentOn);
            (a.Group, a.Stance, a.FrontFoot, a.RetiredAt) = (item.Group == PlayingGroup.None ? a.Group : item.Group, item.Stance == StartStance.NotSaid ? a.Stance : item.Stance, item.FrontFoot == FrontFoot.NotSaid ? a.FrontFoot : item.FrontFoot, a.RetiredAt ?? item.RetiredAt);
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

        await db.RunStretches.Where(s => changes.Runs.Contains(s.RunId)).ExecuteDeleteAsync(cancel);
        await db.Runs.Where(r => changes.Runs.Contains(r.Id)).ExecuteUpdateAsync(u => u.SetProperty(r => r.DeletedAt, now).SetProperty(r => r.FlyingSpeed, (double?)null).SetProperty(r => r.EstimatedSpeed, (double?)null), cancel);
        foreach (var (run, kind) in changes.Measures)
        {
            await db.RunMeasures.Where(m => m.RunId == run && m.Kind == kind).ExecuteDeleteAsync(cancel);
        }

        await UndoThereAsync(changes, cancel);
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
                (a.Group, a.Stance, a.FrontFoot, a.RetiredAt) = (before.Group, before.Stance, before.FrontFoot, before.RetiredAt);
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
