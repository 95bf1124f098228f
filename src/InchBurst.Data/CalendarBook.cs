using InchBurst.Core.Season;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data;

/// <summary>A row of the quick screen for minutes.</summary>
public sealed record MinutesRow(Athlete Athlete, int? Minutes, bool Counts, double? Mean);

/// <summary>What reading a calendar did.</summary>
public sealed record ImportDone(int Added, int Changed, int Same, int Removed);

/// <summary>An event of a file with what the coach makes of it; no kind leaves it out.</summary>
public sealed record ImportRow(CalendarEvent Event, EntryKind? Kind);

/// <summary>A squad's calendar: matches and what else decides its weeks, minutes played, places and times, groups.</summary>
public sealed class CalendarBook(ClubDb db, SchoolBook schools, TimeProvider clock)
{
    public const int MostMinutes = 240;

    public Task<List<CalendarEntry>> EntriesAsync(int squadId, DateOnly from, DateOnly to, CancellationToken cancel = default) =>
        db.CalendarEntries.AsNoTracking().Where(e => e.SquadId == squadId && e.LastDay >= from && e.Day <= to).OrderBy(e => e.Day).ThenBy(e => e.Start).ThenBy(e => e.Id).ToListAsync(cancel);

    public Task<CalendarEntry?> FindAsync(int id, CancellationToken cancel = default) => db.CalendarEntries.SingleOrDefaultAsync(e => e.Id == id, cancel);

    /// <summary>Stores an entry that was typed or changed; false when somebody else changed it since it was opened.</summary>
    public async Task<bool> SaveAsync(CalendarEntry entry, int opened, CancellationToken cancel = default)
    {
        if (entry.Id == 0)
        {
            db.CalendarEntries.Add(entry);
        }
        else if (entry.Version != opened)
        {
            return false;
        }

        entry.Version++;
        return await StoreAsync(entry.SquadId, cancel);
    }

    public async Task RemoveAsync(int id, bool removed, CancellationToken cancel = default)
    {
        if (await db.CalendarEntries.IgnoreQueryFilters().SingleOrDefaultAsync(e => e.Id == id, cancel) is { } entry)
        {
            entry.DeletedAt = removed ? clock.GetUtcNow().UtcDateTime : null;
            entry.Version++;
            await StoreAsync(entry.SquadId, cancel);
        }
    }

    /// <summary>Takes a file's events in as the coach sorted them, in one step. What was read before is brought up to date and keeps the kind it has; it is never doubled.</summary>
    /// <param name="squadId">Number of the squad.</param>
    /// <param name="rows">The events.</param>
    /// <param name="gone">Entries that are no longer in the file and are to go.</param>
    /// <param name="cancel">Gives up.</param>
    public async Task<ImportDone> ImportAsync(int squadId, IReadOnlyList<ImportRow> rows, IReadOnlyCollection<int> gone, CancellationToken cancel = default)
    {
        await using var step = await db.Database.BeginTransactionAsync(cancel);
        var known = (await db.CalendarEntries.IgnoreQueryFilters().Where(e => e.SquadId == squadId && e.Uid != "").ToListAsync(cancel)).ToDictionary(e => (e.Uid, e.Occurrence));
        int added = 0, changed = 0, same = 0, removed = 0;
        foreach (var (e, kind) in rows)
        {
            var there = known.GetValueOrDefault((e.Uid, e.Occurrence));
            if (kind is null || e.IsCancelled)
            {
                if (there is { DeletedAt: null })
                {
                    (there.DeletedAt, there.Version) = (clock.GetUtcNow().UtcDateTime, there.Version + 1);
                    removed++;
                }

                continue;
            }

            var entry = there ?? new CalendarEntry { SquadId = squadId, Uid = e.Uid, Occurrence = e.Occurrence, Importance = CalendarWords.ImportanceOf(e.Title), IsAway = CalendarWords.IsAway(e.Title) };
            var before = (entry.Title, entry.Where, entry.Day, entry.LastDay, entry.Start, entry.Kind, Gone: entry.DeletedAt is not null);
            (entry.Title, entry.Where, entry.Day, entry.LastDay, entry.Start, entry.Kind, entry.DeletedAt) = (TitleOf(e), e.Where, e.Day, e.LastDay, e.Start, kind.Value, null);
            if (there is null)
            {
                db.CalendarEntries.Add(entry);
                added++;
            }
            else if (before != (entry.Title, entry.Where, entry.Day, entry.LastDay, entry.Start, entry.Kind, false))
            {
                entry.Version++;
                changed++;
            }
            else
            {
                same++;
            }
        }

        foreach (var entry in known.Values.Where(e => gone.Contains(e.Id) && e.DeletedAt is null))
        {
            (entry.DeletedAt, entry.Version) = (clock.GetUtcNow().UtcDateTime, entry.Version + 1);
            removed++;
        }

        await db.SaveChangesAsync(cancel);
        await SettleGroupsAsync(squadId, cancel);
        await step.CommitAsync(cancel);
        return new(added, changed, same, removed);
    }

    /// <summary>Entries that were read from files, by the event's own name.</summary>
    public async Task<Dictionary<(string Uid, string Occurrence), CalendarEntry>> ImportedAsync(int squadId, CancellationToken cancel = default) =>
        (await db.CalendarEntries.IgnoreQueryFilters().AsNoTracking().Where(e => e.SquadId == squadId && e.Uid != "").ToListAsync(cancel)).ToDictionary(e => (e.Uid, e.Occurrence));

    public static string TitleOf(CalendarEvent e) => e.Title.Length == 0 ? "Event" : e.Title;

    /// <summary>Everybody of the squad with the minutes of a match, those without any as not entered.</summary>
    public async Task<IReadOnlyList<MinutesRow>> MinutesAsync(CalendarEntry match, CancellationToken cancel = default)
    {
        var own = await db.PlayedMinutes.AsNoTracking().Where(m => m.EntryId == match.Id).ToDictionaryAsync(m => m.AthleteId, cancel);
        var athletes = await db.Athletes.AsNoTracking().Where(a => a.SquadId == match.SquadId && (a.RetiredAt == null || own.Keys.Contains(a.Id))).OrderBy(a => a.Name).ToListAsync(cancel);
        var (days, played) = await PlayedAsync(match.SquadId, cancel);
        var most = (int)(await schools.OfSquadAsync(match.SquadId, cancel))["week.matches"];
        return [.. athletes.Select(a => new MinutesRow(a, own.GetValueOrDefault(a.Id)?.Minutes, own.GetValueOrDefault(a.Id)?.CountsAsTopSpeed ?? false, PlayingTime.Mean(days, played[a.Id], match.Day, most)))];
    }

    /// <summary>How many athletes have minutes, by match.</summary>
    public Task<Dictionary<int, int>> EnteredAsync(int squadId, CancellationToken cancel = default) =>
        db.PlayedMinutes.Where(m => m.Entry!.SquadId == squadId).GroupBy(m => m.EntryId).Select(g => new { g.Key, Count = g.Count() }).ToDictionaryAsync(g => g.Key, g => g.Count, cancel);

    /// <summary>Stores a match's minutes and what follows from them for the playing groups, in one step.</summary>
    /// <param name="match">The match.</param>
    /// <param name="minutes">Minutes and whether they count as top speed, by athlete; who is missing is not entered.</param>
    /// <param name="cancel">Gives up.</param>
    public async Task SaveMinutesAsync(CalendarEntry match, IReadOnlyDictionary<int, (int Minutes, bool Counts)> minutes, CancellationToken cancel = default)
    {
        await using var step = await db.Database.BeginTransactionAsync(cancel);
        var there = await db.PlayedMinutes.Where(m => m.EntryId == match.Id).ToDictionaryAsync(m => m.AthleteId, cancel);
        db.PlayedMinutes.RemoveRange(there.Values.Where(m => !minutes.ContainsKey(m.AthleteId)));
        foreach (var (athlete, (played, counts)) in minutes)
        {
            var row = there.GetValueOrDefault(athlete) ?? db.PlayedMinutes.Add(new PlayedMinutes { EntryId = match.Id, AthleteId = athlete }).Entity;
            (row.Minutes, row.CountsAsTopSpeed) = (played, counts);
        }

        await db.SaveChangesAsync(cancel);
        await SettleGroupsAsync(match.SquadId, cancel);
        await step.CommitAsync(cancel);
    }

    /// <summary>Lets a match count as top speed for athletes, by the coach's word; their minutes stay.</summary>
    public async Task CountAsync(int matchId, IEnumerable<int> athletes, bool counts, CancellationToken cancel = default)
    {
        var ids = athletes.ToHashSet();
        var there = await db.PlayedMinutes.Where(m => m.EntryId == matchId && ids.Contains(m.AthleteId)).ToListAsync(cancel);
        db.PlayedMinutes.AddRange(ids.Except(there.Select(m => m.AthleteId)).Where(_ => counts).Select(id => new PlayedMinutes { EntryId = matchId, AthleteId = id, CountsAsTopSpeed = true }));
        there.ForEach(m => m.CountsAsTopSpeed = counts);

        // A word that is taken back leaves no minutes behind that nobody entered.
        if (!counts && !await db.PlayedMinutes.AnyAsync(m => m.EntryId == matchId && m.Minutes > 0, cancel))
        {
            db.PlayedMinutes.RemoveRange(there.Where(m => m.Minutes == 0));
        }

        await db.SaveChangesAsync(cancel);
    }

    /// <summary>Writes down who plays much and who plays little by the minutes there are; part of whatever changes them.</summary>
    public async Task SettleGroupsAsync(int squadId, CancellationToken cancel = default)
    {
        var school = await schools.OfSquadAsync(squadId, cancel);
        var (days, played) = await PlayedAsync(squadId, cancel);
        foreach (var athlete in await db.Athletes.Where(a => a.SquadId == squadId).ToListAsync(cancel))
        {
            athlete.GroupByMinutes = PlayingTime.Mean(days, played[athlete.Id], DateOnly.MaxValue, (int)school["week.matches"]) is { } mean
                ? PlayingTime.PlaysMuch(mean, school["week.minutes"]) ? PlayingGroup.HighMinutes : PlayingGroup.LowMinutes
                : PlayingGroup.None;
        }

        await db.SaveChangesAsync(cancel);
    }

    // Days of matches with minutes, and everybody's minutes.
    private async Task<(List<DateOnly> Days, ILookup<int, PlayedMatch> Played)> PlayedAsync(int squadId, CancellationToken cancel)
    {
        var rows = await db.PlayedMinutes.AsNoTracking().Where(m => m.Entry!.SquadId == squadId && m.Entry.DeletedAt == null && m.Entry.Kind == EntryKind.Match).Select(m => new { m.EntryId, m.AthleteId, m.Entry!.Day, m.Minutes }).ToListAsync(cancel);

        // A match of which only a word about top speed is known has no minutes yet.
        var entered = rows.GroupBy(r => (r.EntryId, r.Day)).Where(g => g.Any(r => r.Minutes > 0)).Select(g => g.Key.Day).ToList();
        return (entered, rows.ToLookup(r => r.AthleteId, r => new PlayedMatch(r.Day, r.Minutes)));
    }

    private async Task<bool> StoreAsync(int squadId, CancellationToken cancel)
    {
        await using var step = await db.Database.BeginTransactionAsync(cancel);
        try
        {
            await db.SaveChangesAsync(cancel);
        }
        catch (DbUpdateConcurrencyException)
        {
            return false;
        }

        await SettleGroupsAsync(squadId, cancel);
        await step.CommitAsync(cancel);
        return true;
    }

    public Task<List<Place>> PlacesAsync(CancellationToken cancel = default) => db.Places.AsNoTracking().OrderBy(p => p.Name).ToListAsync(cancel);

    public Task<List<Slot>> SlotsAsync(int squadId, CancellationToken cancel = default) =>
        db.Slots.AsNoTracking().Include(s => s.Place).Where(s => s.SquadId == squadId && s.Place != null).OrderBy(s => s.Id).ToListAsync(cancel);

    public async Task<Place> SavePlaceAsync(Place place, CancellationToken cancel = default)
    {
        if (place.Id == 0)
        {
            db.Places.Add(place);
        }
        else
        {
            db.Places.Update(place);
        }

        await db.SaveChangesAsync(cancel);
        return place;
    }

    public async Task AddSlotAsync(Slot slot, CancellationToken cancel = default)
    {
        db.Slots.Add(slot);
        await db.SaveChangesAsync(cancel);
    }

    public Task RetireSlotAsync(int id, int squadId, bool retired, CancellationToken cancel = default) =>
        db.Slots.IgnoreQueryFilters().Where(s => s.Id == id && s.SquadId == squadId).ExecuteUpdateAsync(u => u.SetProperty(s => s.RetiredAt, retired ? clock.GetUtcNow().UtcDateTime : null), cancel);

    public Task RetirePlaceAsync(int id, bool retired, CancellationToken cancel = default) =>
        db.Places.IgnoreQueryFilters().Where(p => p.Id == id).ExecuteUpdateAsync(u => u.SetProperty(p => p.RetiredAt, retired ? clock.GetUtcNow().UtcDateTime : null), cancel);

    public Task<List<OwnGroup>> GroupsAsync(int squadId, CancellationToken cancel = default) =>
        db.OwnGroups.AsNoTracking().Include(g => g.Athletes.Where(a => a.RetiredAt == null).OrderBy(a => a.Name)).Where(g => g.SquadId == squadId).OrderBy(g => g.Name).ToListAsync(cancel);

    /// <summary>Makes, renames, fills or (without athletes and a name) removes a group of the coach's own; sessions for it follow its name.</summary>
    /// <param name="squadId">Number of the squad.</param>
    /// <param name="id">Number of the group; 0 makes one.</param>
    /// <param name="name">Its name.</param>
    /// <param name="athletes">Who is in it.</param>
    /// <param name="opened">Who was in it when it was opened: whom somebody else added or took out meanwhile stays so.</param>
    /// <param name="openedName">What it was called then.</param>
    /// <param name="cancel">Gives up.</param>
    /// <returns>What is wrong, or null.</returns>
    public async Task<string?> SaveGroupAsync(int squadId, int id, string? name, IReadOnlyCollection<int> athletes, IReadOnlyCollection<int>? opened = null, string? openedName = null, CancellationToken cancel = default)
    {
        var wanted = (name ?? "").Trim();
        if (wanted.Length is 0 or > 40)
        {
            return wanted.Length == 0 ? "Give the group a name." : "At most 40 characters.";
        }

        if (wanted.Equals(Core.Plan.LineAudience.HighMinutes, StringComparison.OrdinalIgnoreCase) || wanted.Equals(Core.Plan.LineAudience.LowMinutes, StringComparison.OrdinalIgnoreCase))
        {
            return "That is the name of a playing group, which follows the minutes.";
        }

        if ((await db.OwnGroups.Where(g => g.SquadId == squadId && g.Id != id).Select(g => g.Name).ToListAsync(cancel)).Contains(wanted, StringComparer.OrdinalIgnoreCase))
        {
            return $"There is a group “{wanted}” already.";
        }

        await using var step = await db.Database.BeginTransactionAsync(cancel);
        var group = await db.OwnGroups.Include(g => g.Athletes).SingleOrDefaultAsync(g => g.Id == id && g.SquadId == squadId, cancel) ?? db.OwnGroups.Add(new OwnGroup { SquadId = squadId }).Entity;
        if (group.Id > 0 && openedName is { Length: > 0 } && group.Name != openedName)
        {
            // One who only chose people does not undo the other's name.
            if (wanted != openedName && wanted != group.Name)
            {
                return $"Somebody else called this group “{group.Name}” meanwhile. Open it again.";
            }

            wanted = group.Name;
        }

        var there = group.Athletes.Select(a => a.Id).ToList();
        var chosen = opened is null ? athletes : [.. there.Except(opened.Except(athletes)).Union(athletes.Except(opened))];
        if (group.Id > 0 && group.Name != wanted)
        {
            var before = group.Name;
            await db.Sessions.IgnoreQueryFilters().Where(s => s.SquadId == squadId && s.Group == before).ExecuteUpdateAsync(u => u.SetProperty(s => s.Group, wanted), cancel);
        }

        group.Name = wanted;
        group.Athletes.Clear();
        group.Athletes.AddRange(await db.Athletes.Where(a => a.SquadId == squadId && chosen.Contains(a.Id)).ToListAsync(cancel));
        await db.SaveChangesAsync(cancel);
        await step.CommitAsync(cancel);
        return null;
    }

    public async Task RemoveGroupAsync(int squadId, int id, CancellationToken cancel = default)
    {
        await using var step = await db.Database.BeginTransactionAsync(cancel);
        if (await db.OwnGroups.SingleOrDefaultAsync(g => g.Id == id && g.SquadId == squadId, cancel) is { } group)
        {
            await db.Sessions.IgnoreQueryFilters().Where(s => s.SquadId == squadId && s.Group == group.Name).ExecuteUpdateAsync(u => u.SetProperty(s => s.Group, ""), cancel);
            db.OwnGroups.Remove(group);
            await db.SaveChangesAsync(cancel);
        }

        await step.CommitAsync(cancel);
    }

    /// <summary>Sets or takes back the private address of a squad's calendar.</summary>
    public async Task<string> FeedAsync(int squadId, bool on, CancellationToken cancel = default)
    {
        var key = on ? Convert.ToHexStringLower(System.Security.Cryptography.RandomNumberGenerator.GetBytes(16)) : "";
        await db.Squads.Where(s => s.Id == squadId).ExecuteUpdateAsync(u => u.SetProperty(s => s.FeedKey, key), cancel);
        return key;
    }

    public Task<Squad?> FedAsync(string key, CancellationToken cancel = default) =>
        key.Length == 32 ? db.Squads.AsNoTracking().FirstOrDefaultAsync(s => s.FeedKey == key && s.RetiredAt == null, cancel) : Task.FromResult<Squad?>(null);
}
