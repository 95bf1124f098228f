using InchBurst.Core.Demand;
using InchBurst.Core.Load;
using InchBurst.Core.Log;
using InchBurst.Core.Progress;
using InchBurst.Core.Season;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data;

/// <summary>An athlete with the top-speed clock and the best flying speed.</summary>
public sealed record AthleteRow(Athlete Athlete, TopSpeedClock Clock, double? BestSpeed);

/// <summary>Squads and athletes.</summary>
public sealed class SquadBook(ClubDb db, CurveShelf shelf, SchoolBook schools, TimeProvider clock)
{
    public Task<Club> ClubAsync(CancellationToken cancel = default) => db.Clubs.SingleAsync(cancel);

    public Task<Club?> ClubOrNullAsync(CancellationToken cancel = default) => db.Clubs.AsNoTracking().SingleOrDefaultAsync(cancel);

    public Task<List<Squad>> SquadsAsync(bool retiredToo = false, CancellationToken cancel = default) =>
        db.Squads.Where(s => retiredToo || s.RetiredAt == null).OrderBy(s => s.Id).ToListAsync(cancel);

    public Task<List<Athlete>> AthletesAsync(int squadId, bool retiredToo = false, CancellationToken cancel = default) =>
        db.Athletes.Where(a => a.SquadId == squadId && (retiredToo || a.RetiredAt == null)).OrderBy(a => a.Name).ToListAsync(cancel);

    /// <summary>Athletes of a squad with the days since each last ran near own top speed.</summary>
    public Task<List<AthleteRow>> RowsAsync(int squadId, DateOnly today, CancellationToken cancel = default) =>
        RowsAsync(db.Athletes.AsNoTracking().Where(a => a.SquadId == squadId && a.RetiredAt == null).OrderBy(a => a.Name), today, cancel);

    public async Task<AthleteRow> RowAsync(Athlete athlete, DateOnly today, CancellationToken cancel = default) =>
        (await RowsAsync(db.Athletes.AsNoTracking().Where(a => a.Id == athlete.Id), today, cancel)).Single() with { Athlete = athlete };

    /// <summary>An athlete's best flying speed in m/s, or null.</summary>
    public Task<double?> BestSpeedAsync(int athleteId, CancellationToken cancel = default) => db.Runs.Where(r => r.AthleteId == athleteId && r.FlyingSpeed != null).MaxAsync(r => r.FlyingSpeed, cancel);

    // One query: a few seeks in the partial indexes an athlete, however many runs there are. Estimated speeds move the clock and are never a best.
    private async Task<List<AthleteRow>> RowsAsync(IQueryable<Athlete> athletes, DateOnly today, CancellationToken cancel)
    {
        var rows = await athletes
            .Select(a => new
            {
                Athlete = a,
                Best = db.Runs.Where(r => r.AthleteId == a.Id && r.FlyingSpeed != null).Max(r => r.FlyingSpeed),
                Guess = db.Runs.Where(r => r.AthleteId == a.Id && r.EstimatedSpeed != null).Max(r => r.EstimatedSpeed),
            })
            .Select(x => new
            {
                x.Athlete,
                x.Best,
                Last = db.Runs.Where(r => r.AthleteId == x.Athlete.Id && r.FlyingSpeed >= x.Best * TopSpeedClock.UsualShare).Max(r => (DateOnly?)r.Day),
                Estimated = db.Runs.Where(r => r.AthleteId == x.Athlete.Id && r.EstimatedSpeed >= (x.Best ?? x.Guess) * TopSpeedClock.UsualShare).Max(r => (DateOnly?)r.Day),
                Match = db.PlayedMinutes.Where(m => m.AthleteId == x.Athlete.Id && m.CountsAsTopSpeed && m.Entry!.DeletedAt == null && m.Entry.Day <= today).Max(m => (DateOnly?)m.Entry!.Day),
            })
            .ToListAsync(cancel);
        var every = new Dictionary<int, int>();
        foreach (var squad in rows.Select(r => r.Athlete.SquadId).Distinct())
        {
            every[squad] = (int)(await schools.OfSquadAsync(squad, cancel))["week.every"];
        }

        return [.. rows.Select(r => new AthleteRow(r.Athlete, TopSpeedClock.On(r.Last, r.Estimated, r.Match, today, every[r.Athlete.SquadId]), r.Best))];
    }

    /// <summary>Days since one on which each athlete of a squad reached the share of top speed that counts: measured, estimated, or in a match by the coach's word.</summary>
    /// <param name="squadId">Number of the squad.</param>
    /// <param name="first">First day.</param>
    /// <param name="cancel">Gives up.</param>
    public async Task<ILookup<int, DateOnly>> ReachedDaysAsync(int squadId, DateOnly first, CancellationToken cancel = default)
    {
        var bests = db.Athletes.Where(a => a.SquadId == squadId).Select(a => new
        {
            a.Id,
            Best = db.Runs.Where(r => r.AthleteId == a.Id && r.FlyingSpeed != null).Max(r => r.FlyingSpeed),
            Guess = db.Runs.Where(r => r.AthleteId == a.Id && r.EstimatedSpeed != null).Max(r => r.EstimatedSpeed),
        });
        var run = await (from r in db.Runs.AsNoTracking()
                         join best in bests on r.AthleteId equals best.Id
                         where r.Day >= first && (r.FlyingSpeed >= best.Best * TopSpeedClock.UsualShare || r.EstimatedSpeed >= (best.Best ?? best.Guess) * TopSpeedClock.UsualShare)
                         select new { r.AthleteId, r.Day }).Distinct().ToListAsync(cancel);
        var played = await db.PlayedMinutes.AsNoTracking().Where(m => m.CountsAsTopSpeed && m.Entry!.SquadId == squadId && m.Entry.DeletedAt == null && m.Entry.Day >= first).Select(m => new { m.AthleteId, m.Entry!.Day }).ToListAsync(cancel);
        return run.Concat(played).Distinct().OrderBy(d => d.Day).ToLookup(d => d.AthleteId, d => d.Day);
    }

    /// <summary>Days since one on which athletes of a squad ran a flying stretch, with the greatest share of own best flying speed of each day.</summary>
    /// <param name="squadId">Number of the squad.</param>
    /// <param name="from">First day.</param>
    /// <param name="cancel">Gives up.</param>
    public async Task<ILookup<int, (DateOnly Day, double Share)>> FlyingDaysAsync(int squadId, DateOnly from, CancellationToken cancel = default)
    {
        var days = await db.Runs.AsNoTracking().Where(r => r.Athlete!.SquadId == squadId && r.Day >= from && r.FlyingSpeed != null).GroupBy(r => new { r.AthleteId, r.Day })
            .Select(g => new { g.Key.AthleteId, g.Key.Day, Speed = g.Max(r => r.FlyingSpeed), Best = db.Runs.Where(r => r.AthleteId == g.Key.AthleteId && r.FlyingSpeed != null).Max(r => r.FlyingSpeed) }).ToListAsync(cancel);
        return days.OrderBy(d => d.Day).ToLookup(d => d.AthleteId, d => (d.Day, d.Speed!.Value / d.Best!.Value));
    }

    /// <summary>How many timed runs an athlete has.</summary>
    public Task<int> RunCountAsync(int athleteId, CancellationToken cancel = default) =>
        shelf.CountAsync(athleteId, () => db.Runs.CountAsync(r => r.AthleteId == athleteId && r.Outcome == RunOutcome.Timed && r.Marks.Any(), cancel));

    /// <summary>The latest timed runs of an athlete, newest first.</summary>
    public async Task<List<LoggedRun>> RunsAsync(int athleteId, int most, CancellationToken cancel = default)
    {
        var runs = await db.Runs.AsNoTracking().Include(r => r.Marks).Where(r => r.AthleteId == athleteId && r.Outcome == RunOutcome.Timed && r.Marks.Any())
            .OrderByDescending(r => r.Day).ThenByDescending(r => r.FinishedAt).Take(most).ToListAsync(cancel);
        return [.. runs.Select(r => r.ToLogged())];
    }

    /// <summary>One timed run of an athlete, or null.</summary>
    public async Task<LoggedRun?> RunAsync(int athleteId, long runId, CancellationToken cancel = default) =>
        (await db.Runs.AsNoTracking().Include(r => r.Marks).SingleOrDefaultAsync(r => r.Id == runId && r.AthleteId == athleteId && r.Outcome == RunOutcome.Timed && r.Marks.Any(), cancel))?.ToLogged();

    private sealed record BestRow(string Key, int FromMillimetres, int ToMillimetres, double Seconds, long RunId, int Runs);

    /// <summary>The best of every trial an athlete has run, over every stretch that is kept.</summary>
    /// <param name="athleteId">The athlete.</param>
    /// <param name="without">What is taken out of the times before the best is looked for; a hand's part is the same for all of a trial.</param>
    /// <param name="cancel">Gives up.</param>
    public Task<IReadOnlyList<TrialBest>> BestsAsync(int athleteId, Adjusts without = Adjusts.None, CancellationToken cancel = default) =>
        (without & (Adjusts.Air | Adjusts.Reaction)) == Adjusts.None ? shelf.TrialsAsync(athleteId, () => LeastAsync(athleteId, Adjusts.None, cancel)) : LeastAsync(athleteId, without, cancel);

    private async Task<IReadOnlyList<TrialBest>> LeastAsync(int athleteId, Adjusts without, CancellationToken cancel)
    {
        // SQLite takes the other columns from the row that holds the least time (documented for a single min()). As timed, the index alone answers.
        var (air, reaction) = (without.HasFlag(Adjusts.Air) ? 1 : 0, without.HasFlag(Adjusts.Reaction) ? 1 : 0);
        var rows = air + reaction == 0
            ? await db.Database.SqlQuery<BestRow>($"SELECT Key, FromMillimetres, ToMillimetres, MIN(Seconds) AS Seconds, RunId, COUNT(*) AS Runs FROM RunStretches WHERE AthleteId = {athleteId} GROUP BY Key, FromMillimetres, ToMillimetres").ToListAsync(cancel)
            : await db.Database.SqlQuery<BestRow>($"SELECT Key, FromMillimetres, ToMillimetres, MIN(Seconds + {air} * COALESCE(Air, 0) + {reaction} * COALESCE(Reaction, 0)) AS Least, Seconds, RunId, COUNT(*) AS Runs FROM RunStretches WHERE AthleteId = {athleteId} GROUP BY Key, FromMillimetres, ToMillimetres").ToListAsync(cancel);
        var ids = rows.Select(r => r.RunId).Distinct().ToList();
        var runs = (await db.Runs.AsNoTracking().Include(r => r.Marks).Where(r => ids.Contains(r.Id)).ToListAsync(cancel)).ToDictionary(r => r.Id, r => r.ToLogged());
        var still = runs.ToDictionary(r => r.Key, r => StillAir.Of(r.Value));
        return
        [
            .. rows.Where(r => runs.ContainsKey(r.RunId)).Select(r => (Row: r, Run: runs[r.RunId], To: runs[r.RunId].Marks.First(m => m.At.Millimetres == r.ToMillimetres).At))
                .Select(x => new TrialBest(x.Run.Trial, x.Row.FromMillimetres, x.To, x.Row.Seconds, x.Row.RunId, x.Run.Day, x.Row.Runs)
                {
                    Adjusted = AdjustedTime.Of(x.Run, still[x.Row.RunId], x.Row.FromMillimetres, x.Row.ToMillimetres, x.Row.Seconds),
                    Setting = x.Run.Setting,
                }),
        ];
    }

    /// <summary>The curve that stands for an athlete today, or why there is none.</summary>
    public async Task<StandingOutcome> CurveAsync(int athleteId, CancellationToken cancel = default) => (await CurvesAsync([athleteId], cancel))[athleteId];

    /// <summary>The curves that stand for athletes today, or why there is none, by athlete.</summary>
    public Task<IReadOnlyDictionary<int, StandingOutcome>> CurvesAsync(IReadOnlyCollection<int> athletes, CancellationToken cancel = default)
    {
        var today = DateOnly.FromDateTime(clock.GetLocalNow().DateTime);
        return shelf.CurvesAsync(athletes, today, async unknown =>
        {
            // What is dated ahead is remembered too, for the day it counts.
            var oldest = today.AddDays(-StandingCurve.OldestDays);
            var runs = await shelf.CurveRuns.GetAsync(unknown, oldest, async (asked, days) =>
            {
                var found = new List<Run>();
                if (days is null)
                {
                    foreach (var athlete in asked)
                    {
                        found.AddRange(await LatestAsync(ForCurve([athlete], oldest, DateOnly.MaxValue), StandingCurve.LatestRuns + SpareRuns, cancel));
                    }
                }
                else
                {
                    found.AddRange(await ForCurve(asked, oldest, DateOnly.MaxValue).Where(r => days.Contains(r.Day)).ToListAsync(cancel));
                }

                return found.ToLookup(r => r.AthleteId, r => r.ToLogged());
            });
            var traced = await shelf.Traced.GetAsync(unknown, oldest, async (asked, days) => await TraceBook.CurvesAsync(db, asked, oldest, DateOnly.MaxValue, cancel));
            return unknown.ToDictionary(a => a, a => StandingCurve.Of(runs[a], today, traced[a]));
        });
    }

    /// <summary>The athlete's time constant in s as it was known before a day; the usual one when nothing was.</summary>
    public Task<double> TauBeforeAsync(int athleteId, DateOnly day, CancellationToken cancel = default) =>
        shelf.TauBeforeAsync(athleteId, day, async () => (await StandingAsync(athleteId, day, day.AddDays(-1), cancel)).Fit?.Curve.Tau ?? DemandAthlete.UsualCurve.Tau);

    private async Task<StandingOutcome> StandingAsync(int athleteId, DateOnly today, DateOnly last, CancellationToken cancel)
    {
        var oldest = today.AddDays(-StandingCurve.OldestDays);
        return StandingCurve.Of((await LatestAsync(ForCurve([athleteId], oldest, last), StandingCurve.LatestRuns, cancel)).Select(r => r.ToLogged()), today, (await TraceBook.CurvesAsync(db, [athleteId], oldest, last, cancel))[athleteId]);
    }

    private IQueryable<Run> ForCurve(IReadOnlyCollection<int> athletes, DateOnly oldest, DateOnly last) =>
        db.Runs.AsNoTracking().Include(r => r.Marks).Where(r => athletes.Contains(r.AthleteId) && r.Outcome == RunOutcome.Timed && r.Day >= oldest && r.Day <= last && r.Conflict == null && r.Marks.Count >= 3);

    private static Task<List<Run>> LatestAsync(IQueryable<Run> of, int most, CancellationToken cancel) => of.OrderByDescending(r => r.Day).ThenByDescending(r => r.Id).Take(most).ToListAsync(cancel);

    // So many may be taken out before older ones are fetched.
    private const int SpareRuns = 40;

    /// <summary>The curve of a typical athlete: the median top speed and time constant of those who have one, or the usual pace.</summary>
    public async Task<SprintCurve> PaceAsync(IEnumerable<int> athleteIds, CancellationToken cancel = default)
    {
        List<SprintCurve> curves = [.. (await CurvesAsync([.. athleteIds], cancel)).Values.Select(c => c.Fit?.Curve).OfType<SprintCurve>()];
        return curves.Count == 0 ? DemandAthlete.UsualCurve : new(Median(curves.Select(c => c.Mss)), Median(curves.Select(c => c.Tau)));
    }

    private static double Median(IEnumerable<double> values) => MathNet.Numerics.Statistics.Statistics.Median(values);
}
