using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Progress;
using InchBurst.Core.Rest;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Units;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data;

/// <summary>What is compared with what among things that are measured: the same exercise with the same load, measured in the same way.</summary>
/// <param name="Name">The exercise.</param>
/// <param name="Load">Load as a key (<see cref="Trial.LoadKey"/>, <see cref="Trial.HeldKey"/>); empty when free, or where the load is the result.</param>
/// <param name="Kind">What was measured; a load stands for the most that could be lifted once.</param>
/// <param name="FromAir">True for the height of a jump worked out from its time in the air, which is another method than measuring it.</param>
public readonly record struct MeasureKey(string Name, string Load, MeasureKind Kind, bool FromAir)
{
    /// <summary>What is measured of it, in words.</summary>
    public string How => FromAir ? "height from air time" : Kind == MeasureKind.Load ? "estimated maximum" : Measures.Of(Kind).Label.ToLowerInvariant();

    /// <summary>The exercise with its load.</summary>
    public string Words => Load.Length == 0 ? Name : $"{Name}, {Trial.LoadWords(Load)}";
}

/// <summary>Something that was measured.</summary>
/// <param name="AthleteId">Number of the athlete.</param>
/// <param name="Key">What compares with it.</param>
/// <param name="Day">The day.</param>
/// <param name="Value">The value, in the unit it is kept in; of a lift the estimated maximum.</param>
/// <param name="Side">Side, if any.</param>
/// <param name="Lifted">What was lifted, where the value is an estimate from several reps.</param>
/// <param name="Reps">How often it was lifted, if said.</param>
public sealed record MeasuredValue(int AthleteId, MeasureKey Key, DateOnly Day, double Value, Side? Side, double? Lifted, int? Reps);

/// <summary>A measure of an athlete over a season.</summary>
/// <param name="Key">What it is.</param>
/// <param name="Days">Best of each day in order, in the unit it is kept in, with the load lifted where the value is an estimate from it.</param>
/// <param name="Best">The best ever logged, not only in the season.</param>
/// <param name="Attempts">Every attempt of the season in order.</param>
public sealed record MeasuredSeason(MeasureKey Key, IReadOnlyList<(DateOnly Day, double Value, double? Lifted)> Days, double Best, IReadOnlyList<Attempt> Attempts)
{
    public string Name => Key.Name;

    public MeasureKind Kind => Key.Kind;
}

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
            .. values.GroupBy(v => v.Key).Select(g =>
            {
                var least = Measures.Of(g.Key.Kind).LessIsBetter;
                var days = g.GroupBy(v => v.Day).OrderBy(d => d.Key).Select(d => least ? d.MinBy(v => v.Value)! : d.MaxBy(v => v.Value)!).Select(v => (v.Day, v.Value, v.Lifted)).ToList();
                return new MeasuredSeason(g.Key, [.. days.Where(d => d.Day >= from)], least ? days.Min(d => d.Value) : days.Max(d => d.Value), [.. g.Where(v => v.Day >= from).Select(v => new Attempt(v.Day, v.Value, v.Side))]);
            }).Where(m => m.Days.Count > 0).OrderByDescending(m => m.Days.Count).ThenBy(m => m.Key.Words, StringComparer.CurrentCulture).ThenBy(m => m.Kind),
        ];
    }

    /// <summary>Everything of one kind that athletes measured since a day, in the order it was done.</summary>
    public async Task<IReadOnlyList<MeasuredValue>> OfAsync(IReadOnlyCollection<int> athletes, MeasureKey key, DateOnly from, CancellationToken cancel = default)
    {
        // A height may be one from the air, which is kept as the time.
        var kept = key.FromAir ? MeasureKind.AirTime : key.Kind;
        var values = await ValuesAsync(db.Runs.Where(r => athletes.Contains(r.AthleteId) && r.Day >= from && r.Measures.Any(m => m.Kind == kept)), cancel);
        return [.. values.Where(v => v.Key == key)];
    }

    /// <summary>Everything that athletes measured since a day, in the order it was done.</summary>
    public Task<List<MeasuredValue>> SquadAsync(IReadOnlyCollection<int> athletes, DateOnly from, CancellationToken cancel = default) => ValuesAsync(db.Runs.Where(r => athletes.Contains(r.AthleteId) && r.Day >= from), cancel);

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
        return values.Where(v => !v.Key.FromAir && names.Contains(v.Key.Name)).GroupBy(v => v.AthleteId).ToDictionary(
            a => a.Key, a => a.GroupBy(v => (Name: v.Key.Name.ToUpperInvariant(), v.Key.Kind)).Select(g => new KnownMeasure(g.First().Key.Name, g.Key.Kind, g.Max(v => v.Value))).ToList());
    }

    /// <summary>The best of each day over every stretch of every trial, in order, by the trial's key and the stretch.</summary>
    public async Task<ILookup<(string Key, int From, int To), (DateOnly Day, double Seconds)>> TrendsAsync(int athleteId, DateOnly from, CancellationToken cancel = default) =>
        (await db.RunStretches.Where(s => s.AthleteId == athleteId && s.Day >= from).GroupBy(s => new { s.Key, s.FromMillimetres, s.ToMillimetres, s.Day }).Select(g => new { g.Key, Seconds = g.Min(s => s.Seconds) }).ToListAsync(cancel))
        .OrderBy(d => d.Key.Day).ToLookup(d => (d.Key.Key, d.Key.FromMillimetres, d.Key.ToMillimetres), d => (d.Key.Day, d.Seconds));

    /// <summary>Sets that were lifted with a load, by athlete and lift, since a day; what is not said is one rep.</summary>
    public async Task<IReadOnlyList<(int AthleteId, string Name, LiftSet Set)>> SetsAsync(IReadOnlyCollection<int> athletes, DateOnly from, int? but = null, CancellationToken cancel = default)
    {
        var values = await ValuesAsync(db.Runs.Where(r => athletes.Contains(r.AthleteId) && r.Day >= from && r.SessionId != but && r.Measures.Any(m => m.Kind == MeasureKind.Load)), cancel);
        return [.. values.Where(v => v.Key.Kind == MeasureKind.Load).Select(v => (v.AthleteId, v.Key.Name, new LiftSet(v.Day, v.Lifted ?? v.Value, v.Reps ?? 1, false)))];
    }

    /// <summary>Sets of like full sprints of an athlete since a day, free and straight on and timed by gates, with the rests there really were.</summary>
    public async Task<IReadOnlyList<RepeatSet>> RepeatsAsync(int athleteId, DateOnly from, CancellationToken cancel = default)
    {
        var runs = await db.Runs.AsNoTracking().Where(r => r.AthleteId == athleteId && r.Day >= from && r.Outcome == RunOutcome.Timed && r.Method == TimingMethod.Electronic && r.Trigger != StartTrigger.ZoneLine && r.Load == "" && r.Course == Trial.Straight && r.Effort >= LeastEffort && r.Rep > 0 && r.Conflict == null)
            .OrderByDescending(r => r.Day).ThenByDescending(r => r.FinishedAt).Take(MostRepeats)

            // Marks rise, so the farthest has the longest time; asked for one by one, the file finds them by their run.
            .Select(r => new { r.SessionId, r.LineId, r.FinishedAt, Millimetres = r.Marks.Max(m => (int?)m.Millimetres), Seconds = r.Marks.Max(m => (double?)m.Seconds) }).ToListAsync(cancel);
        return
        [
            .. runs.Where(r => r.Seconds is not null).Reverse().GroupBy(r => (r.SessionId, r.LineId, r.Millimetres)).Where(g => g.Count() >= OwnRecovery.FewestReps)
                .Select(g => g.ToList()).Select(g => new RepeatSet([.. g.Select(r => r.Seconds!.Value)], [.. g.Zip(g.Skip(1), (a, b) => (b.FinishedAt - a.FinishedAt).TotalSeconds - b.Seconds!.Value)]))

                // Times that came in from a sheet have no clock of their own, and say nothing of rests.
                .Where(s => s.Rests.All(r => r >= LeastRestSeconds)),
        ];
    }

    // The latest of them tell how the athlete recovers now.
    private const int MostRepeats = 500;
    private const double LeastEffort = 95;
    private const double LeastRestSeconds = 5;

    private static string NameOf(PlanLine line) => line.Exercise ?? ShorthandPrinter.Dose(line);

    // What was measured in runs, in order; loads that were dragged or worn are no results; of those that were lifted the estimated maximum, with the load itself where it was lifted several times.
    private async Task<List<MeasuredValue>> ValuesAsync(IQueryable<Run> of, CancellationToken cancel)
    {
        // One row a measure: put in order and together here, which is quicker than a file that sorts whole runs.
        var rows = await of.AsNoTracking().SelectMany(r => r.Measures, (r, m) => new { r.Id, r.AthleteId, r.SessionId, r.LineId, r.Day, r.FinishedAt, r.Side, m.Kind, m.Value }).ToListAsync(cancel);
        var runs = rows.GroupBy(m => m.Id).Select(g => (First: g.First(), Measures: g.ToList())).OrderBy(r => r.First.Day).ThenBy(r => r.First.FinishedAt).ThenBy(r => r.First.Id)
            .Select(r => new { r.First.AthleteId, r.First.SessionId, r.First.LineId, r.First.Day, r.First.Side, r.Measures }).ToList();
        var plans = await PlansAsync([.. runs.Select(r => r.SessionId).Distinct()], cancel);
        var lines = runs.Select(r => (r.SessionId, r.LineId)).Distinct().Where(l => plans[l.SessionId].Line(l.LineId) is not null).ToDictionary(l => l, l => LineDemand.Of(plans[l.SessionId].Line(l.LineId)!, catalogue));
        var values = new List<MeasuredValue>();
        foreach (var run in runs.Where(r => lines.ContainsKey((r.SessionId, r.LineId))))
        {
            var demand = lines[(run.SessionId, run.LineId)];
            var (name, isLift) = (NameOf(demand.Line), demand.Line.IsLift);
            var load = isLift ? Trial.HeldKey(demand.AppliedLoad) : Trial.LoadKey(demand.AppliedLoad);
            var reps = (int?)run.Measures.FirstOrDefault(m => m.Kind == MeasureKind.Reps)?.Value;

            // Reps say how often a load was lifted; by themselves they are a measure.
            foreach (var m in run.Measures.Where(m => m.Kind == MeasureKind.Load ? isLift : m.Kind != MeasureKind.Reps || run.Measures.All(x => x.Kind != MeasureKind.Load)))
            {
                var isLoad = m.Kind == MeasureKind.Load;
                if ((isLoad ? LiftMaximum.Of(m.Value, reps) : m.Value) is { } value)
                {
                    values.Add(new(run.AthleteId, new(name, isLoad ? "" : load, m.Kind, false), run.Day, value, run.Side, isLoad && reps > 1 ? m.Value : null, reps));
                }

                if (m.Kind == MeasureKind.AirTime && demand.IsJumping)
                {
                    values.Add(new(run.AthleteId, new(name, load, MeasureKind.JumpHeight, true), run.Day, AirTime.Height(m.Value), run.Side, null, null));
                }
            }
        }

        return [.. values.Where(v => v.Key.Name.Length > 0)];
    }

    /// <summary>What was seen, faults and own words, the most frequent first. Watched are the runs of days on which anything was noted of anybody in the session.</summary>
    public async Task<IReadOnlyList<SeenSeason>> SeenAsync(int athleteId, DateOnly from, CancellationToken cancel = default)
    {
        var own = await db.Runs.AsNoTracking().Where(r => r.AthleteId == athleteId && r.Day >= from && r.Outcome != RunOutcome.Skipped)
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
