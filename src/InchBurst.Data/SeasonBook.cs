using InchBurst.Core.Catalogue;
using InchBurst.Core.Live;
using InchBurst.Core.Plan;
using InchBurst.Core.Season;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data;

/// <summary>A week of a season: what was planned, what was done.</summary>
/// <param name="Monday">First day.</param>
/// <param name="Planned">Sprint metres planned.</param>
/// <param name="Done">Sprint metres done by kind of work, the mean of those present.</param>
/// <param name="HardPlanned">Hard metres planned.</param>
/// <param name="HardDone">Hard metres done.</param>
public sealed record SeasonWeek(DateOnly Monday, double Planned, IReadOnlyDictionary<WorkKind, double> Done, double HardPlanned, double HardDone)
{
    /// <summary>Planned metres by kind of work.</summary>
    public required IReadOnlyDictionary<WorkKind, double> PlannedKinds { get; init; }

    /// <summary>All that was done, the mean of those present.</summary>
    public Core.Demand.LineVolume Volume { get; init; }
}

/// <summary>A squad's season.</summary>
public sealed record SquadSeason(IReadOnlyList<SeasonWeek> Weeks, IReadOnlyList<CalendarEntry> Entries, IReadOnlyList<SeasonPhase> Phases, IReadOnlyList<AthleteRow> Athletes, ILookup<int, DateOnly> Reached)
{
    /// <summary>Hard metres of each week against the month before it; weeks that are to come have none.</summary>
    public IReadOnlyList<MonthMean> Months(DateOnly today) => [.. MonthMean.Of([.. Weeks.Select(w => w.HardDone)]).Select((m, i) => Weeks[i].Monday > today ? default : m)];
}

/// <summary>Reads whole seasons, and their phases.</summary>
public sealed class SeasonBook(ClubDb db, SquadBook squads, CalendarBook calendar, ExerciseCatalogue catalogue, TimeProvider clock)
{
    /// <summary>The weeks of a squad from one Monday on.</summary>
    public async Task<SquadSeason> ReadAsync(int squadId, DateOnly monday, int weeks, DateOnly today, CancellationToken cancel = default)
    {
        var last = monday.AddDays((7 * weeks) - 1);
        var sessions = await db.Sessions.AsNoTracking().Where(s => s.SquadId == squadId && s.Day >= monday && s.Day <= last).OrderBy(s => s.Day).ToListAsync(cancel);
        var ended = sessions.Where(s => s.State == SessionState.Ended).Select(s => s.Id).ToList();
        var runs = (await db.Runs.AsNoTracking().Where(r => ended.Contains(r.SessionId)).GroupBy(r => new { r.SessionId, r.LineId }).Select(g => new { g.Key.SessionId, g.Key.LineId, Count = g.Count() }).ToListAsync(cancel)).ToDictionary(r => (r.SessionId, r.LineId), r => r.Count);
        var present = await db.Attendance.AsNoTracking().Where(a => a.Present && ended.Contains(a.SessionId)).GroupBy(a => a.SessionId).Select(g => new { g.Key, Count = g.Count() }).ToDictionaryAsync(g => g.Key, g => g.Count, cancel);
        var rows = await squads.RowsAsync(squadId, today, cancel);
        var pace = new Core.Demand.DemandAthlete(await squads.PaceAsync(rows.Select(r => r.Athlete.Id), cancel));
        var made = new List<SeasonWeek>();
        for (var i = 0; i < weeks; i++)
        {
            var from = monday.AddDays(7 * i);
            var own = sessions.Where(s => s.Day >= from && s.Day <= from.AddDays(6)).ToList();
            var planned = own.Select(s => (Session: s, Dose: DayDose.Of(PlanJson.Read(s.PlanJson), pace, catalogue))).ToList();
            var done = own.Where(s => s.State == SessionState.Ended).Select(s => DoneDose.Of(PlanJson.Read(s.RanPlanJson ?? s.PlanJson), pace, catalogue, present.GetValueOrDefault(s.Id), line => runs.GetValueOrDefault((s.Id, line)))).ToList();
            made.Add(new(from, Mean(planned, d => d.Volume.SprintMetres), done.SelectMany(d => d.Metres).GroupBy(m => m.Key).ToDictionary(g => g.Key, g => g.Sum(m => m.Value)), Mean(planned, d => d.HardMetres), done.Sum(d => d.Volume.FullMetres))
            {
                Volume = done.Aggregate(default(Core.Demand.LineVolume), (sum, d) => sum + d.Volume),
                PlannedKinds = planned.SelectMany(p => p.Dose.Metres).GroupBy(m => m.Key).ToDictionary(g => g.Key, g => g.Sum(m => m.Value)),
            });
        }

        return new(made, await calendar.EntriesAsync(squadId, monday, last, cancel), await PhasesAsync(squadId, cancel), rows, await squads.ReachedDaysAsync(squadId, monday.AddDays(-60), cancel));
    }

    // Sessions for one group count for the groups they are for: what the squad has besides is everybody's.
    private static double Mean(IReadOnlyList<(TrainingSession Session, DayDose Dose)> planned, Func<DayDose, double> of)
    {
        var all = planned.Where(p => p.Session.Group.Length == 0).Sum(p => of(p.Dose));
        var groups = planned.Where(p => p.Session.Group.Length > 0).GroupBy(p => p.Session.Group).Select(g => g.Sum(p => of(p.Dose))).ToList();
        return all + (groups.Count == 0 ? 0 : groups.Average());
    }

    public Task<List<SeasonPhase>> PhasesAsync(int squadId, CancellationToken cancel = default) => db.SeasonPhases.AsNoTracking().Where(p => p.SquadId == squadId && p.DeletedAt == null).OrderBy(p => p.From).ToListAsync(cancel);

    public Task<SeasonPhase?> PhaseAsync(int squadId, int id, CancellationToken cancel = default) => db.SeasonPhases.SingleOrDefaultAsync(p => p.Id == id && p.SquadId == squadId && p.DeletedAt == null, cancel);

    /// <summary>Stores a phase; false when somebody else changed it since it was opened.</summary>
    public async Task<bool> SavePhaseAsync(SeasonPhase phase, int opened, CancellationToken cancel = default)
    {
        if (phase.Id == 0)
        {
            db.SeasonPhases.Add(phase);
        }
        else if (phase.Version != opened)
        {
            return false;
        }

        phase.Version++;
        await db.SaveChangesAsync(cancel);
        return true;
    }

    public Task RemovePhaseAsync(int squadId, int id, bool removed, CancellationToken cancel = default) =>
        db.SeasonPhases.Where(p => p.Id == id && p.SquadId == squadId).ExecuteUpdateAsync(u => u.SetProperty(p => p.DeletedAt, removed ? clock.GetUtcNow().UtcDateTime : null), cancel);

    /// <summary>A phase as Core reads one.</summary>
    public static Phase Of(SeasonPhase p) => new(p.Name, p.Aim, p.From, p.To, p.MetresFirst, p.MetresLast, p.LoadFirst, p.LoadLast, p.StopFirst, p.StopLast) { Drills = p.Drills.Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries) };
}
