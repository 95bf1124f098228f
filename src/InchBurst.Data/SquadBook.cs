using System.Collections.Concurrent;
using InchBurst.Core.Clock;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Season;
using InchBurst.Core.Sprint;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data;

/// <summary>The curve that stands for an athlete now, and the run it came from.</summary>
public sealed record AthleteCurve(SprintFitted Fit, DateOnly Day);

/// <summary>Remembers each athlete's curve, and the bests that the last results are read against, until a run of theirs is stored or changed: every edit of a plan and every view of today asks for the whole squad's.</summary>
public sealed class CurveShelf
{
    private readonly ConcurrentDictionary<int, AthleteCurve?> curves = new();
    private readonly ConcurrentDictionary<int, ConcurrentDictionary<long, double?>> bests = new();

    /// <summary>Best before a run's day, asked for once.</summary>
    public async Task<double?> BestBeforeAsync(int athleteId, long runId, Func<Task<double?>> ask)
    {
        var own = bests.GetOrAdd(athleteId, _ => new());
        return own.TryGetValue(runId, out var known) ? known : own[runId] = await ask();
    }

    public bool TryGet(int athleteId, out AthleteCurve? curve) => curves.TryGetValue(athleteId, out curve);

    public void Put(int athleteId, AthleteCurve? curve) => curves[athleteId] = curve;

    public void Forget(int athleteId)
    {
        curves.TryRemove(athleteId, out _);
        bests.TryRemove(athleteId, out _);
    }

    public void Clear()
    {
        curves.Clear();
        bests.Clear();
    }
}

/// <summary>An athlete with the top-speed clock and the best flying speed.</summary>
public sealed record AthleteRow(Athlete Athlete, TopSpeedClock Clock, double? BestSpeed);

/// <summary>Squads and athletes.</summary>
public sealed class SquadBook(ClubDb db, CurveShelf shelf)
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

    // One query: two seeks in the partial index an athlete, however many runs there are.
    private async Task<List<AthleteRow>> RowsAsync(IQueryable<Athlete> athletes, DateOnly today, CancellationToken cancel)
    {
        var rows = await athletes
            .Select(a => new { Athlete = a, Best = db.Runs.Where(r => r.AthleteId == a.Id && r.FlyingSpeed != null).Max(r => r.FlyingSpeed) })
            .Select(x => new { x.Athlete, x.Best, Last = db.Runs.Where(r => r.AthleteId == x.Athlete.Id && r.FlyingSpeed >= x.Best * TopSpeedClock.UsualShare).Max(r => (DateOnly?)r.Day) })
            .ToListAsync(cancel);
        return [.. rows.Select(r => new AthleteRow(r.Athlete, TopSpeedClock.On(r.Last, today), r.Best))];
    }

    public async Task<List<LoggedRun>> RunsAsync(int athleteId, CancellationToken cancel = default)
    {
        // Two plain lists instead of entities: an athlete may have thousands of runs.
        var timed = db.Runs.Where(r => r.AthleteId == athleteId && r.Outcome == RunOutcome.Timed);
        var marks = (await timed.SelectMany(r => r.Marks).OrderBy(m => m.RunId).ThenBy(m => m.Millimetres).Select(m => new { m.RunId, m.Amount, m.Unit, m.Seconds }).ToListAsync(cancel)).ToLookup(m => m.RunId);
        var runs = await timed.OrderByDescending(r => r.Day).ThenByDescending(r => r.FinishedAt)
            .Select(r => new { r.Id, r.Day, r.Kind, r.Effort, r.Method, r.Trigger, r.Start, r.StartBehindGateMetres, r.Side }).ToListAsync(cancel);
        return
        [
            .. runs.Select(r => new LoggedRun
            {
                Id = r.Id, Day = r.Day, Kind = r.Kind, Effort = r.Effort, Method = r.Method, Trigger = r.Trigger, Start = r.Start, StartBehindGateMetres = r.StartBehindGateMetres, Side = r.Side,
                Marks = [.. marks[r.Id].Select(m => new LoggedMark(new(m.Amount, m.Unit), m.Seconds))],
            }),
        ];
    }

    /// <summary>The athlete's curve: the fastest recent free run whose gates can carry a fit, or null.</summary>
    public async Task<AthleteCurve?> CurveAsync(int athleteId, CancellationToken cancel = default)
    {
        if (shelf.TryGet(athleteId, out var known))
        {
            return known;
        }

        var candidates = await db.Runs.AsNoTracking().Include(r => r.Marks)
            .Where(r => r.AthleteId == athleteId && r.FlyingSpeed != null && r.Kind != WorkKind.Resisted && r.Trigger != StartTrigger.ZoneLine && r.Marks.Count >= 3)
            .OrderByDescending(r => r.Day).Take(12).ToListAsync(cancel);
        AthleteCurve? curve = null;
        foreach (var run in candidates.OrderByDescending(r => r.Marks.Max(m => m.Millimetres)).ThenByDescending(r => r.FlyingSpeed))
        {
            var logged = run.ToLogged();
            if (SprintFit.Fit(logged.Gates, logged.FitAssumptions).Fitted is { } fit)
            {
                curve = new(fit, run.Day);
                break;
            }
        }

        shelf.Put(athleteId, curve);
        return curve;
    }

    /// <summary>The curve of a typical athlete: the median top speed and time constant of those who have one, or the usual pace.</summary>
    public async Task<SprintCurve> PaceAsync(IEnumerable<int> athleteIds, CancellationToken cancel = default)
    {
        var curves = new List<SprintCurve>();
        foreach (var id in athleteIds)
        {
            if (await CurveAsync(id, cancel) is { } curve)
            {
                curves.Add(curve.Fit.Curve);
            }
        }

        return curves.Count == 0 ? ClockSetting.UsualPace : new(Median(curves.Select(c => c.Mss)), Median(curves.Select(c => c.Tau)));
    }

    private static double Median(IEnumerable<double> values) => MathNet.Numerics.Statistics.Statistics.Median(values);
}
