using InchBurst.Core.Catalogue;
using InchBurst.Core.Live;
using InchBurst.Core.Plan;
using InchBurst.Core.Progress;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Units;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data;

/// <summary>A measure of an athlete over a season.</summary>
/// <param name="Name">The exercise.</param>
/// <param name="Kind">What was measured; a load stands for the most that could be lifted once.</param>
/// <param name="Days">Best of each day in order, in the unit it is kept in, with the load lifted where the value is an estimate from it.</param>
/// <param name="Best">The greatest ever logged, not only in the season.</param>
public sealed record MeasuredSeason(string Name, MeasureKind Kind, IReadOnlyList<(DateOnly Day, double Value, double? Lifted)> Days, double Best);

/// <summary>Something seen on an athlete over a season.</summary>
/// <param name="What">What was seen.</param>
/// <param name="Days">Each day on which runs were watched: how many, and on how many it was seen.</param>
/// <param name="Drills">Days of sessions with a drill that answers it.</param>
/// <param name="Rate">Before and since.</param>
public sealed record SeenSeason(Observation What, IReadOnlyList<(DateOnly Day, int Watched, int Seen)> Days, IReadOnlyList<DateOnly> Drills, SeenRate Rate)
{
    public int Times => Days.Sum(d => d.Seen);
}

/// <summary>An athlete's season besides times: what was measured and what was seen.</summary>
public sealed class SeasonOfOne(ClubDb db, ExerciseCatalogue catalogue)
{
    /// <summary>What was measured, exercises measured most often first. Less is more for heart rates, and the least of a day stands for it.</summary>
    public async Task<IReadOnlyList<MeasuredSeason>> MeasuredAsync(int athleteId, DateOnly from, CancellationToken cancel = default)
    {
        var values = await ValuesAsync(db.Runs.Where(r => r.AthleteId == athleteId), cancel);
        return
        [
            .. values.GroupBy(v => (v.Name, v.Kind)).Select(g =>
            {
                var least = g.Key.Kind == MeasureKind.HeartRate;
                var days = g.GroupBy(v => v.Day).OrderBy(d => d.Key).Select(d => least ? d.MinBy(v => v.Value) : d.MaxBy(v => v.Value)).Select(v => (v.Day, v.Value, v.Lifted)).ToList();
                return new MeasuredSeason(g.Key.Name, g.Key.Kind, [.. days.Where(d => d.Day >= from)], least ? days.Min(d => d.Value) : days.Max(d => d.Value));
            }).Where(m => m.Days.Count > 0).OrderByDescending(m => m.Days.Count).ThenBy(m => m.Name, StringComparer.CurrentCulture).ThenBy(m => m.Kind),
        ];
    }

    /// <summary>Bests of athletes in what some lines measure, by athlete, before a session.</summary>
    public async Task<IReadOnlyDictionary<int, List<KnownMeasure>>> BestsAsync(IReadOnlyList<int> athletes, int session, IReadOnlyList<PlanLine> lines, CancellationToken cancel = default)
    {
        var asked = lines.SelectMany(l => l.AskedMeasures).Where(k => k != MeasureKind.HeartRate).Distinct().ToList();
        if (asked.Count == 0)
        {
            return new Dictionary<int, List<KnownMeasure>>();
        }

        var names = lines.Where(l => l.AskedMeasures.Count > 0).Select(NameOf).ToHashSet(StringComparer.OrdinalIgnoreCase);
        var values = await ValuesAsync(db.Runs.Where(r => athletes.Contains(r.AthleteId) && r.SessionId != session && r.Measures.Any(m => asked.Contains(m.Kind))), cancel);
        return values.Where(v => names.Contains(v.Name)).GroupBy(v => v.AthleteId).ToDictionary(
            a => a.Key, a => a.GroupBy(v => (Name: v.Name.ToUpperInvariant(), v.Kind)).Select(g => new KnownMeasure(g.First().Name, g.Key.Kind, g.Max(v => v.Value))).ToList());
    }

    /// <summary>The best of each day over every stretch of every trial, in order, by the trial's key and the stretch.</summary>
    public async Task<ILookup<(string Key, int From, int To), (DateOnly Day, double Seconds)>> TrendsAsync(int athleteId, DateOnly from, CancellationToken cancel = default) =>
        (await db.RunStretches.Where(s => s.AthleteId == athleteId && s.Day >= from).GroupBy(s => new { s.Key, s.FromMillimetres, s.ToMillimetres, s.Day }).Select(g => new { g.Key, Seconds = g.Min(s => s.Seconds) }).ToListAsync(cancel))
        .OrderBy(d => d.Key.Day).ToLookup(d => (d.Key.Key, d.Key.FromMillimetres, d.Key.ToMillimetres), d => (d.Key.Day, d.Seconds));

    /// <summary>Sets that were lifted with a load, by athlete and lift, since a day; what is not said is one rep.</summary>
    public async Task<IReadOnlyList<(int AthleteId, string Name, LiftSet Set)>> SetsAsync(IReadOnlyCollection<int> athletes, DateOnly from, int? but = null, CancellationToken cancel = default)
    {
        var values = await ValuesAsync(db.Runs.Where(r => athletes.Contains(r.AthleteId) && r.Day >= from && r.SessionId != but && r.Measures.Any(m => m.Kind == MeasureKind.Load)), cancel);
        return [.. values.Where(v => v.Kind == MeasureKind.Load).Select(v => (v.AthleteId, v.Name, new LiftSet(v.Day, v.Lifted ?? v.Value, v.Reps ?? 1, false)))];
    }

    private static string NameOf(PlanLine line) => line.Exercise ?? ShorthandPrinter.Dose(line);

    // What was measured in runs; loads that were dragged or worn are no results; of those that were lifted the estimated maximum, with the load itself where it was lifted several times.
    private async Task<List<(int AthleteId, string Name, MeasureKind Kind, DateOnly Day, double Value, double? Lifted, int? Reps)>> ValuesAsync(IQueryable<Run> of, CancellationToken cancel)
    {
        var runs = await of.AsNoTracking().Where(r => r.Measures.Any())
            .Select(r => new { r.AthleteId, r.SessionId, r.LineId, r.Day, Measures = r.Measures.Select(m => new { m.Kind, m.Value }).ToList() }).ToListAsync(cancel);
        var plans = await PlansAsync([.. runs.Select(r => r.SessionId).Distinct()], cancel);
        return
        [
            .. runs.SelectMany(r =>
            {
                var reps = r.Measures.FirstOrDefault(m => m.Kind == MeasureKind.Reps)?.Value;
                var line = plans[r.SessionId].Line(r.LineId);
                var name = line is null ? "" : NameOf(line);
                var isLift = line is { IsLift: true };

                // Reps say how often a load was lifted; by themselves they are a measure.
                return r.Measures.Where(m => m.Kind == MeasureKind.Load ? isLift : m.Kind != MeasureKind.Reps || r.Measures.All(x => x.Kind != MeasureKind.Load))
                    .Select(m => (r.AthleteId, Name: name, m.Kind, r.Day, Value: m.Kind == MeasureKind.Load ? LiftMaximum.Of(m.Value, (int?)reps) : m.Value, Lifted: m.Kind == MeasureKind.Load && reps > 1 ? m.Value : (double?)null, Reps: (int?)reps));
            }).Where(v => v is { Name.Length: > 0, Value: not null }).Select(v => (v.AthleteId, v.Name, v.Kind, v.Day, v.Value!.Value, v.Lifted, v.Reps)),
        ];
    }

    /// <summary>What was seen, faults and own words, the most frequent first. Watched are the runs of days on which anything was noted of anybody in the session.</summary>
    public async Task<IReadOnlyList<SeenSeason>> SeenAsync(int athleteId, DateOnly from, CancellationToken cancel = default)
    {
        var own = await db.Runs.AsNoTracking().Where(r => r.AthleteId == athleteId && r.Day >= from && r.Outcome != InchBurst.Core.Log.RunOutcome.Skipped)
            .Select(r => new { r.SessionId, r.Day, Codes = r.Seen.Select(s => s.Code).ToList() }).ToListAsync(cancel);
        var sessions = own.Select(r => r.SessionId).Distinct().ToList();
        var watchedSessions = (await db.RunSeen.Join(db.Runs.Where(r => sessions.Contains(r.SessionId)), s => s.RunId, r => r.Id, (s, r) => r.SessionId).Distinct().ToListAsync(cancel)).ToHashSet();
        var watched = own.Where(r => watchedSessions.Contains(r.SessionId)).ToList();
        var plans = await PlansAsync(sessions, cancel);
        var dayOf = own.GroupBy(r => r.SessionId).ToDictionary(g => g.Key, g => g.Min(r => r.Day));
        var codes = watched.SelectMany(r => r.Codes).Select(c => catalogue.Seen(c)).Where(o => o is { IsGood: false, Phase: not RunPhase.Body }).DistinctBy(o => o.Code, StringComparer.OrdinalIgnoreCase);
        return
        [
            .. codes.Select(what =>
            {
                var days = watched.GroupBy(r => r.Day).OrderBy(g => g.Key).Select(g => (g.Key, g.Count(), g.Count(r => r.Codes.Contains(what.Code, StringComparer.OrdinalIgnoreCase)))).ToList();
                var drills = plans.Where(p => p.Value.Lines.Any(l => l.Exercise is { } name && catalogue.Find(name) is { } exercise && what.Drills.Contains(exercise.Name, StringComparer.OrdinalIgnoreCase))).Select(p => dayOf[p.Key]).Distinct().Order().ToList();
                return new SeenSeason(what, days, drills, SeenRate.Of(days, drills));
            }).OrderByDescending(s => s.Times).ThenBy(s => s.What.Says, StringComparer.CurrentCulture),
        ];
    }

    private async Task<Dictionary<int, SessionPlan>> PlansAsync(List<int> ids, CancellationToken cancel) =>
        (await db.Sessions.IgnoreQueryFilters().Where(s => ids.Contains(s.Id)).Select(s => new { s.Id, Json = s.RanPlanJson ?? s.PlanJson }).ToListAsync(cancel)).ToDictionary(s => s.Id, s => PlanJson.Read(s.Json));
}
