using System.Text.Json;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.Plan;
using InchBurst.Core.School;
using InchBurst.Core.Season;
using InchBurst.Core.Sprint;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data;

/// <summary>A group of the board with its week.</summary>
/// <param name="Key">What sessions for it carry; empty for the whole squad.</param>
/// <param name="Week">The week.</param>
/// <param name="Members">Its athletes.</param>
public sealed record GroupBoard(string Key, GroupWeek Week, IReadOnlyList<Athlete> Members);

/// <summary>A squad's week: everything the board shows.</summary>
public sealed record WeekBoard(Squad Squad, DateOnly Monday, DateOnly Today, CoachingSchool School, IReadOnlyList<GroupBoard> Groups, IReadOnlyList<TrainingSession> Sessions, IReadOnlyList<CalendarEntry> Entries, IReadOnlyList<Slot> Slots, ILookup<int, DateOnly> Reached, IReadOnlyDictionary<int, SprintCurve> Curves, SprintCurve Pace)
{
    /// <summary>Athletes who were at a session that was run, by session.</summary>
    public required ILookup<int, int> Present { get; init; }

    /// <summary>Phase the week lies in, or null.</summary>
    public SeasonPhase? Phase { get; init; }
}

/// <summary>Reads a squad's weeks and changes them, every change with a way back.</summary>
public sealed class WeekBook(ClubDb db, SquadBook squads, SchoolBook schools, CalendarBook calendar, SessionBook sessions, ExerciseCatalogue catalogue, TimeProvider clock)
{
    private const int DaysBefore = DayGrid.Before;
    private const int DaysAfter = DayGrid.After;

    /// <summary>Monday of a day's week.</summary>
    public static DateOnly MondayOf(DateOnly day) => day.AddDays(-(((int)day.DayOfWeek + 6) % 7));

    /// <summary>The week of a squad.</summary>
    /// <param name="squad">The squad.</param>
    /// <param name="monday">Its Monday.</param>
    /// <param name="today">Today.</param>
    /// <param name="school">Another school to look at it with; null for the squad's.</param>
    /// <param name="cancel">Gives up.</param>
    public async Task<WeekBoard> BoardAsync(Squad squad, DateOnly monday, DateOnly today, CoachingSchool? school = null, CancellationToken cancel = default)
    {
        school ??= await schools.OfSquadAsync(squad.Id, cancel);
        var (from, to) = (monday.AddDays(-DaysBefore), monday.AddDays(DaysAfter - 1));
        var list = await db.Sessions.AsNoTracking().Where(s => s.SquadId == squad.Id && s.Day >= from && s.Day <= to).OrderBy(s => s.Day).ThenBy(s => s.Start).ThenBy(s => s.Id).ToListAsync(cancel);
        var entries = await calendar.EntriesAsync(squad.Id, from, to, cancel);
        var slots = await calendar.SlotsAsync(squad.Id, cancel);
        var athletes = await squads.AthletesAsync(squad.Id, cancel: cancel);
        var reached = await squads.ReachedDaysAsync(squad.Id, monday.AddDays(-120), cancel);
        var curves = (await squads.CurvesAsync([.. athletes.Select(a => a.Id)], cancel)).Where(c => c.Value.Fit is not null).ToDictionary(c => c.Key, c => c.Value.Fit!.Curve);

        var pace = await squads.PaceAsync(athletes.Where(a => a.Availability != Availability.Out).Select(a => a.Id), cancel);
        var plans = list.ToDictionary(s => s.Id, s => PlanJson.Read(s.RanPlanJson ?? s.PlanJson));
        var backs = await BackAsync(squad.Id, monday, today, cancel);
        var own = await calendar.GroupsAsync(squad.Id, cancel);
        var groupsOf = ByAthlete(own);
        var watched = (await WishesAsync(squad.Id, cancel)).Select(w => new OftenThing(HowOften.Of(w.Exercise), w.Exercise) { Least = w.Least, Most = w.Most }).ToList();
        var weekIds = list.Where(s => s.Day >= monday && s.Day <= monday.AddDays(6)).Select(s => s.Id).ToList();
        var present = (await db.Attendance.AsNoTracking().Where(a => a.Present && weekIds.Contains(a.SessionId)).Select(a => new { a.SessionId, a.AthleteId }).ToListAsync(cancel)).ToLookup(a => a.SessionId, a => a.AthleteId);
        var phase = await db.SeasonPhases.AsNoTracking().Where(p => p.SquadId == squad.Id && p.DeletedAt == null && p.From <= monday.AddDays(6) && p.To >= monday).OrderByDescending(p => p.From).FirstOrDefaultAsync(cancel);
        var matches = entries.Where(e => e.Kind == EntryKind.Match).Select(e => new SeasonMatch(e.Id, e.Day, e.Start, e.Title, e.Importance)).ToList();
        var closed = entries.Where(e => e.Kind is EntryKind.Camp or EntryKind.Exam or EntryKind.Off).Select(e => new ClosedDays(e.Day, e.LastDay, e.Title, e.Kind != EntryKind.Exam)).ToList();
        var open = slots.SelectMany(s => Enumerable.Range(0, 7).Select(monday.AddDays).Where(d => d.DayOfWeek == s.Weekday).Select(d => new OpenSlot(d, s.Start, s.Minutes, s.Place!.Name, s.Place.Lanes, s.Place.StraightMetres, s.Place.RunOutMetres))).ToList();

        GroupBoard Group(string key, string name, IReadOnlyList<Athlete> members, bool playsLittle)
        {
            var people = members.Select(a => new SeasonAthlete(
                a.Id, a.Name, reached[a.Id].Where(d => d <= today && d <= monday.AddDays(6)).Select(d => (DateOnly?)d).Max(), a.Availability == Availability.Full,
                today.Year - a.BirthYear, backs.GetValueOrDefault(a.Id))).ToList();
            var missing = members.Where(a => a.Availability == Availability.Full).ToList();
            var own = list.Where(s => s.Group.Length == 0 || s.Group == key || key.Length == 0).Select(s =>
            {
                // Lines for others, or for some by name, are no work of the group's.
                var plan = plans[s.Id];
                var dose = DayDose.Of(plan, new(pace), catalogue, l => plan.Covers(l, "", key.Length > 0 ? [key] : []));
                var reach = s.State == SessionState.Ended ? [] : missing.Where(a => Reaches(plan, a, groupsOf, curves.GetValueOrDefault(a.Id, pace))).Select(a => a.Name).ToList();
                return new SeasonSession(s.Id, s.Day, s.Name, dose, s.State == SessionState.Ended || (s.State == SessionState.Planned && s.Day < today), s.IsPinned)
                {
                    Missed = s.State == SessionState.Ended || !dose.ReachesTopSpeed ? [] : [.. missing.Select(a => a.Name).Except(reach)],
                    Only = dose.ReachesTopSpeed ? [] : reach,
                };
            }).ToList();
            return new(key, new(name, monday, school)
            {
                Sessions = own,
                Matches = matches,
                Closed = closed,
                Slots = open,
                Athletes = people,
                PlaysLittle = playsLittle,
                Watched = watched,
                OpenFrom = today,
                Aim = phase is null ? null : SeasonBook.Of(phase).AimAt(phase.From > monday ? phase.From : monday),
            }, members);
        }

        var groups = new List<GroupBoard>();
        if (athletes.Any(a => a.Playing != PlayingGroup.None))
        {
            groups.Add(Group(LineAudience.HighMinutes, "High minutes", [.. athletes.Where(a => a.Playing != PlayingGroup.LowMinutes)], false));
            groups.Add(Group(LineAudience.LowMinutes, "Low minutes", [.. athletes.Where(a => a.Playing == PlayingGroup.LowMinutes)], true));
        }
        else
        {
            groups.Add(Group("", "Everybody", athletes, false));
        }

        // A group of the coach's own has a row where something is held for it.
        groups.AddRange(own.Where(g => list.Any(s => s.Group == g.Name && s.Day >= monday && s.Day <= monday.AddDays(6))).Select(g => Group(g.Name, g.Name, [.. athletes.Where(a => g.Athletes.Any(m => m.Id == a.Id))], false)));
        return new(squad, monday, today, school, [.. groups.Where(g => g.Members.Count > 0 || groups.Count == 1)], list, entries, slots, reached, curves, pace) { Present = present, Phase = phase };
    }

    /// <summary>Exercises of which the squad's coach watches how often they are done.</summary>
    public Task<List<OftenWish>> WishesAsync(int squadId, CancellationToken cancel = default) => db.OftenWishes.AsNoTracking().Where(w => w.SquadId == squadId).OrderBy(w => w.Exercise).ToListAsync(cancel);

    /// <summary>Watches an exercise, or changes how often it is wished; without either wish and with <paramref name="watch"/> off it is watched no longer.</summary>
    public async Task WatchAsync(int squadId, string exercise, double? least, double? most, bool watch, CancellationToken cancel = default)
    {
        var there = await db.OftenWishes.SingleOrDefaultAsync(w => w.SquadId == squadId && w.Exercise == exercise, cancel);
        if (!watch)
        {
            if (there is not null)
            {
                db.OftenWishes.Remove(there);
            }
        }
        else
        {
            there ??= db.OftenWishes.Add(new OftenWish { SquadId = squadId, Exercise = exercise }).Entity;
            (there.Least, there.Most) = (least, most);
        }

        await db.SaveChangesAsync(cancel);
    }

    // True when some line of the plan that is for the athlete takes them to the share that counts.
    private bool Reaches(SessionPlan plan, Athlete athlete, ILookup<int, string> own, SprintCurve curve) =>
        plan.Lines.Where(l => plan.Covers(l, athlete.Name, GroupsOf(athlete, own))).Any(l => DayDose.Reaches(LineDemand.Of(l, catalogue, new(curve, athlete.MassKilograms))));

    /// <summary>An athlete's playing group in the words a line is for, or null.</summary>
    public static string? GroupOf(Athlete athlete) => athlete.Playing switch
    {
        PlayingGroup.HighMinutes => LineAudience.HighMinutes,
        PlayingGroup.LowMinutes => LineAudience.LowMinutes,
        _ => null,
    };

    /// <summary>Names of the coach's own groups of a squad, by the number of each athlete in them.</summary>
    public async Task<ILookup<int, string>> OwnGroupsAsync(int squadId, CancellationToken cancel = default) => ByAthlete(await calendar.GroupsAsync(squadId, cancel));

    private static ILookup<int, string> ByAthlete(List<OwnGroup> groups) => groups.SelectMany(g => g.Athletes.Select(a => (a.Id, g.Name))).ToLookup(x => x.Id, x => x.Name);

    /// <summary>Every group an athlete is in, by the words a line is for.</summary>
    public static IReadOnlyCollection<string> GroupsOf(Athlete athlete, ILookup<int, string> own) => GroupOf(athlete) is { } playing ? [playing, .. own[athlete.Id]] : [.. own[athlete.Id]];

    /// <summary>Athletes a session is for.</summary>
    public async Task<List<Athlete>> MembersAsync(TrainingSession session, CancellationToken cancel = default)
    {
        var all = await squads.AthletesAsync(session.SquadId, cancel: cancel);
        if (session.Group.Length == 0)
        {
            return all;
        }

        var own = await db.OwnGroups.AsNoTracking().Where(g => g.SquadId == session.SquadId && g.Name == session.Group).Select(g => g.Athletes.Select(a => a.Id)).FirstOrDefaultAsync(cancel);
        return [.. all.Where(a => own?.Contains(a.Id) ?? (GroupOf(a) == session.Group || (session.Group == LineAudience.HighMinutes && a.Playing == PlayingGroup.None)))];
    }

    // First day of training after ten days and more away, in the four weeks before.
    private async Task<Dictionary<int, DateOnly?>> BackAsync(int squadId, DateOnly monday, DateOnly today, CancellationToken cancel)
    {
        var earliest = monday.AddDays(-28 - (4 * BackInSteps.AbsenceDays));
        var days = await (from a in db.Attendance.AsNoTracking()
                          join s in db.Sessions on a.SessionId equals s.Id
                          where a.Present && s.SquadId == squadId && s.Day >= earliest && s.Day <= today && s.State == SessionState.Ended
                          select new { a.AthleteId, s.Day }).Distinct().ToListAsync(cancel);
        var held = days.Select(d => d.Day).Distinct().ToList();
        return days.GroupBy(d => d.AthleteId).ToDictionary(g => g.Key, g =>
        {
            var own = g.Select(d => d.Day).Order().ToList();
            return own.Zip(own.Skip(1)).Where(p => p.Second.DayNumber - p.First.DayNumber > BackInSteps.AbsenceDays && held.Count(h => h > p.First && h < p.Second) >= 2 && p.Second >= monday.AddDays(-28)).Select(p => (DateOnly?)p.Second).LastOrDefault();
        });
    }

    private sealed record Change(string Kind, int Session, DateOnly? From = null, DateOnly? To = null, int? Match = null, IReadOnlyList<int>? Athletes = null, int? Revision = null);

    /// <summary>Moves a session to another day; null when there is no such session, it was run, or stands no longer on the day it was seen on.</summary>
    public Task<WeekStep?> MoveAsync(int squadId, int sessionId, DateOnly seen, DateOnly to, string by, CancellationToken cancel = default) => StepAsync(squadId, by, async changes =>
    {
        if (await OpenAsync(squadId, sessionId, cancel) is not { } session || session.Day != seen || session.Day == to)
        {
            return null;
        }

        changes.Add(new("moved", session.Id, session.Day, to));
        session.Day = to;
        await sessions.SaveAsync(session, cancel);
        return $"{session.Name} moved to {Words(to)}";
    }, cancel);

    /// <summary>Takes a session out; null when there is no such session, it was run, or stands no longer on the day it was seen on.</summary>
    public Task<WeekStep?> TakeOutAsync(int squadId, int sessionId, DateOnly seen, string by, CancellationToken cancel = default) => StepAsync(squadId, by, async changes =>
    {
        if (await OpenAsync(squadId, sessionId, cancel) is not { } session || session.Day != seen)
        {
            return null;
        }

        changes.Add(new("removed", session.Id));
        await sessions.DeleteAsync(session, cancel);
        return $"{session.Name} taken out";
    }, cancel);

    public Task<WeekStep?> PinAsync(int squadId, int sessionId, bool pinned, string by, CancellationToken cancel = default) => StepAsync(squadId, by, async changes =>
    {
        if (await OpenAsync(squadId, sessionId, cancel) is not { } session || session.IsPinned == pinned)
        {
            return null;
        }

        changes.Add(new(pinned ? "pinned" : "unpinned", session.Id));
        session.IsPinned = pinned;
        await sessions.SaveAsync(session, cancel);
        return pinned ? $"{session.Name} pinned" : $"{session.Name} may move again";
    }, cancel);

    /// <summary>Adds a line to a session as one version of its plan.</summary>
    public Task<WeekStep?> AddLineAsync(int squadId, int sessionId, PlanLine line, string by, CancellationToken cancel = default) => StepAsync(squadId, by, async changes =>
    {
        if (await OpenAsync(squadId, sessionId, cancel) is null || await sessions.FindAsync(sessionId, cancel) is not { } planned)
        {
            return null;
        }

        // Where the full runs are, before what follows them.
        var plan = planned.Plan.Add(line, catalogue.Find(line.Exercise)?.Family);
        var added = plan.Blocks.Last(b => b.Lines.Any(l => planned.Plan.Line(l.Id) is null));
        if (planned.Plan.BlockOf(added.Lines[^1].Id) is null && !planned.Plan.Blocks.Any(b => b.Id == added.Id))
        {
            var last = plan.Blocks.Select((b, i) => (b, i)).Where(x => x.b.Id != added.Id && x.b.Lines.Any(l => LineDemand.Of(l, catalogue).IsHardSprint)).Select(x => (int?)x.i).LastOrDefault();
            plan = last is { } at ? plan.MoveBlock(added.Id, at + 1) : plan;
        }

        changes.Add(new("line", sessionId, Revision: planned.Session.Revision + 1));
        await sessions.ChangeAsync(planned, plan, "a line from the week", by, cancel: cancel);
        return $"A line added to {planned.Session.Name}";
    }, cancel);

    public Task<WeekStep?> CountMatchAsync(int squadId, int matchId, IReadOnlyList<int> athletes, string by, CancellationToken cancel = default) => StepAsync(squadId, by, async changes =>
    {
        if (!await db.CalendarEntries.AnyAsync(e => e.Id == matchId && e.SquadId == squadId && e.Kind == EntryKind.Match, cancel))
        {
            return null;
        }

        // Those for whom it counted already stay so when this is taken back.
        var already = await db.PlayedMinutes.Where(m => m.EntryId == matchId && m.CountsAsTopSpeed).Select(m => m.AthleteId).ToListAsync(cancel);
        List<int> now = [.. athletes.Except(already)];
        changes.Add(new("counted", 0, Match: matchId, Athletes: now));
        await calendar.CountAsync(matchId, now, true, cancel);
        return "The match counts as top speed";
    }, cancel);

    /// <summary>Puts a suggested week in place, in one step: sessions that stay elsewhere are moved, those that go are taken out, new ones are made.</summary>
    /// <param name="squadId">Number of the squad.</param>
    /// <param name="moves">New days of sessions that are planned; null takes one out.</param>
    /// <param name="made">Sessions to make, with their plans.</param>
    /// <param name="what">What it is called when it can be taken back.</param>
    /// <param name="by">Who does it.</param>
    /// <param name="cancel">Gives up.</param>
    public Task<WeekStep?> PutAsync(int squadId, IReadOnlyDictionary<int, DateOnly?> moves, IReadOnlyList<(TrainingSession Session, SessionPlan Plan)> made, string what, string by, CancellationToken cancel = default) => StepAsync(squadId, by, async changes =>
    {
        foreach (var (id, to) in moves)
        {
            if (await OpenAsync(squadId, id, cancel) is not { } session)
            {
                return null;
            }

            if (to is { } day)
            {
                changes.Add(new("moved", id, session.Day, day));
                session.Day = day;
                await sessions.SaveAsync(session, cancel);
            }
            else
            {
                changes.Add(new("removed", id));
                await sessions.DeleteAsync(session, cancel);
            }
        }

        foreach (var (session, plan) in made)
        {
            await sessions.CreateAsync(session, plan, by, cancel);
            changes.Add(new("made", session.Id));
        }

        return changes.Count == 0 ? null : what;
    }, cancel);

    /// <summary>The latest change of a squad's weeks that can be taken back, or null.</summary>
    public Task<WeekStep?> LastAsync(int squadId, CancellationToken cancel = default) => db.WeekSteps.AsNoTracking().Where(s => s.SquadId == squadId && s.UndoneAt == null).OrderByDescending(s => s.Id).FirstOrDefaultAsync(cancel);

    /// <summary>Takes the latest change back, as far as nobody changed the same since.</summary>
    /// <returns>What was taken back, or null when there is nothing.</returns>
    public async Task<string?> UndoAsync(int squadId, int stepId, CancellationToken cancel = default)
    {
        await using var step = await db.Database.BeginTransactionAsync(cancel);
        if (await db.WeekSteps.SingleOrDefaultAsync(s => s.Id == stepId && s.SquadId == squadId && s.UndoneAt == null, cancel) is not { } last)
        {
            return null;
        }

        foreach (var change in JsonSerializer.Deserialize<List<Change>>(last.ChangesJson)!.AsEnumerable().Reverse())
        {
            if (change.Kind == "counted")
            {
                await calendar.CountAsync(change.Match!.Value, change.Athletes!, false, cancel);
                continue;
            }

            if (await db.Sessions.IgnoreQueryFilters().SingleOrDefaultAsync(s => s.Id == change.Session, cancel) is not { } session)
            {
                continue;
            }

            // What was run meanwhile, or moved once more, stays as it is.
            var isOpen = session.State == SessionState.Planned;
            switch (change.Kind)
            {
                case "moved" when isOpen && session.Day == change.To:
                    session.Day = change.From!.Value;
                    break;
                case "removed":
                    session.DeletedAt = null;
                    break;
                case "made" when isOpen:
                    session.DeletedAt = clock.GetUtcNow().UtcDateTime;
                    break;
                case "pinned" or "unpinned":
                    session.IsPinned = change.Kind == "unpinned";
                    break;
                case "line" when isOpen && session.Revision == change.Revision && await sessions.FindAsync(session.Id, cancel) is { CanUndo: true } planned:
                    await sessions.StepAsync(planned, -1, cancel);
                    continue;
                default:
                    continue;
            }

            await sessions.SaveAsync(session, cancel);
        }

        last.UndoneAt = clock.GetUtcNow().UtcDateTime;
        await db.SaveChangesAsync(cancel);
        await step.CommitAsync(cancel);
        return last.What;
    }

    private async Task<WeekStep?> StepAsync(int squadId, string by, Func<List<Change>, Task<string?>> act, CancellationToken cancel)
    {
        await using var step = await db.Database.BeginTransactionAsync(cancel);
        var changes = new List<Change>();
        if (await act(changes) is not { } what)
        {
            return null;
        }

        var row = new WeekStep { SquadId = squadId, What = what, ChangesJson = JsonSerializer.Serialize(changes), By = by, At = clock.GetUtcNow().UtcDateTime };
        db.WeekSteps.Add(row);
        await db.SaveChangesAsync(cancel);
        await step.CommitAsync(cancel);
        return row;
    }

    // A session that was run, or is running, stays where it is.
    private Task<TrainingSession?> OpenAsync(int squadId, int sessionId, CancellationToken cancel) =>
        db.Sessions.SingleOrDefaultAsync(s => s.Id == sessionId && s.SquadId == squadId && s.State == SessionState.Planned, cancel);

    private static string Words(DateOnly day) => day.ToString("ddd d MMM", System.Globalization.CultureInfo.InvariantCulture);
}
