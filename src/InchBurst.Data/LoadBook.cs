using InchBurst.Core.Demand;
using InchBurst.Core.Load;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data;

/// <summary>Runs with loads of one athlete on one day and floor, the free ones among them, and the line they carry.</summary>
/// <param name="Day">The day.</param>
/// <param name="Surface">The floor.</param>
/// <param name="Runs">Top speed of each run.</param>
/// <param name="Found">The line, or why there is none.</param>
/// <param name="Metres">Longest distance of these runs, m.</param>
/// <param name="SessionId">Number of the session.</param>
/// <param name="Later">Later days whose runs are in it.</param>
/// <param name="Sled">Kind of sled; empty while nobody has said it.</param>
public sealed record LoadTestOfDay(DateOnly Day, Surface Surface, LoadTestPoints Runs, LoadLineOutcome Found, double Metres, int SessionId, int Later = 0, string Sled = "")
{
    /// <summary>Its heaviest load as it was measured; null where no free run tells.</summary>
    public LoadDay? Heaviest => Runs.Slowings.LastOrDefault(s => s.Kilograms > 0) is { Kilograms: > 0 } heaviest ? new(Day, heaviest.Kilograms, heaviest.Decrement, Found.Line is not null) : null;

    /// <summary>Top speed of each run.</summary>
    public IReadOnlyList<LoadPoint> Points => Runs.Points;
}

/// <summary>Loads: the club's kit, load tests and what is known of an athlete to work a load out.</summary>
public sealed class LoadBook(ClubDb db, SquadBook squads, CurveShelf shelf)
{
    // Runs at less are no test.
    private const double FullEffort = 95;

    /// <summary>A line older than this is no longer taken for what the athlete does today, days (common practice: about half a year).</summary>
    public const int OldestDays = 183;

    /// <summary>The club's kit with its version.</summary>
    public async Task<(ClubKit Kit, int Version)> KitAsync(CancellationToken cancel = default) =>
        await db.Clubs.AsNoTracking().Select(c => new { c.LoadKitJson, c.LoadKitVersion }).SingleOrDefaultAsync(cancel) is { } club ? (ClubKit.Read(club.LoadKitJson), club.LoadKitVersion) : (ClubKit.Empty, 0);

    /// <summary>Keeps the kit; false when somebody changed it since that version.</summary>
    public async Task<bool> KeepKitAsync(ClubKit kit, int version, CancellationToken cancel = default) =>
        await db.Clubs.Where(c => c.LoadKitVersion == version).ExecuteUpdateAsync(c => c.SetProperty(x => x.LoadKitJson, kit.Write()).SetProperty(x => x.LoadKitVersion, version + 1), cancel) == 1;

    // Full electronic runs straight on from rest: those that tell top speed.
    private IQueryable<Run> Telling(IQueryable<Run> of) => of.AsNoTracking().Include(r => r.Marks).Include(r => r.Measures)
        .Where(r => r.Outcome == RunOutcome.Timed && r.Effort >= FullEffort && r.Conflict == null && r.Method == TimingMethod.Electronic
            && (r.Trigger == StartTrigger.FirstGate || r.Trigger == StartTrigger.FirstMove) && r.Start != StartPosition.Moving && r.Course == Trial.Straight);

    private static LoadRun Told(Run run, double kilograms) => new(
        kilograms, [.. run.Marks.OrderBy(m => m.Millimetres).Select(m => new GateTime((m.Millimetres / 1000.0) + run.StartBehindGateMetres, m.Seconds))], run.Trigger == StartTrigger.FirstGate ? run.StartBehindGateMetres : 0);

    /// <summary>What kit without a mass costs, learnt from runs with it beside free ones of the same athlete and session, by its key.</summary>
    public Task<IReadOnlyDictionary<string, KitCost>> CostsAsync(CancellationToken cancel = default) => shelf.CostsAsync(async () =>
    {
        var with = db.Runs.Where(r => r.Outcome == RunOutcome.Timed && r.Load != "" && LoadEffect.Learnt.Any(k => r.Load.StartsWith(k)));
        var runs = (await Telling(db.Runs.Where(r => (r.Load == "" || LoadEffect.Learnt.Any(k => r.Load.StartsWith(k))) && with.Any(w => w.SessionId == r.SessionId && w.AthleteId == r.AthleteId))).ToListAsync(cancel))
            .Where(r => r.Marks.Count > 0 && !r.Load.Any(char.IsAsciiDigit)).ToList();
        var decrements = new List<(string Key, double Decrement)>();
        foreach (var own in runs.GroupBy(r => (r.SessionId, r.AthleteId)))
        {
            // Kit stands for one kilogram here: only whether it is there matters.
            var points = LoadTest.Points([.. own.Select(r => Told(r, r.Load.Length == 0 ? 0 : 1))], DemandAthlete.UsualCurve.Tau, LoadEffect.UsualMassKilograms).Points;
            if (points.Count == own.Count() && points.Any(p => p.Kilograms == 0))
            {
                var free = points.Where(p => p.Kilograms == 0).Average(p => p.TopSpeed);
                decrements.AddRange(own.Zip(points).Where(x => x.First.Load.Length > 0).Select(x => (x.First.Load, 100 * (1 - (x.Second.TopSpeed / free)))));
            }
        }

        return decrements.GroupBy(d => d.Key).ToDictionary(g => g.Key, g => KitCost.Of([.. g.Select(d => d.Decrement)])!);
    });

    /// <summary>Days on which an athlete ran with a sled, the newest first, each floor by itself.</summary>
    /// <param name="athleteId">Number of the athlete.</param>
    /// <param name="massKilograms">Body mass, kg, or null.</param>
    /// <param name="cancel">Gives up.</param>
    /// <param name="but">A session left out: one that is running is no test yet.</param>
    public async Task<IReadOnlyList<LoadTestOfDay>> TestsAsync(int athleteId, double? massKilograms, CancellationToken cancel = default, int but = 0)
    {
        var days = (await db.Runs.Where(r => r.AthleteId == athleteId && r.Load.StartsWith("sled") && r.Outcome == RunOutcome.Timed && r.SessionId != but).Select(r => new { r.SessionId, r.Surface, r.Session!.Sled }).Distinct().ToListAsync(cancel))
            .Select(d => (d.SessionId, d.Surface, massKilograms, d.Sled)).ToList();
        var own = shelf.LoadsOf(athleteId);
        var missing = days.Where(d => !own.ContainsKey((d.SessionId, d.Surface, massKilograms))).ToList();
        if (missing.Count > 0)
        {
            var tau = (await squads.CurveAsync(athleteId, cancel)).Fit?.Curve.Tau ?? DemandAthlete.UsualCurve.Tau;
            var mass = massKilograms ?? LoadEffect.UsualMassKilograms;
            var sessions = missing.Select(m => m.SessionId).Distinct().ToList();
            var runs = (await Telling(db.Runs.Where(r => r.AthleteId == athleteId && sessions.Contains(r.SessionId))).ToListAsync(cancel)).ToLookup(r => (r.SessionId, r.Surface, massKilograms));
            foreach (var day in missing.Select(m => (m.SessionId, m.Surface, massKilograms)).Where(runs.Contains))
            {
                own[day] = Tested(runs[day].Min(r => r.Day), day.Surface, day.SessionId, [.. runs[day]], tau, mass);
            }
        }

        // Which sled it was may be said, or put right, later.
        return [.. days.Select(d => own.TryGetValue((d.SessionId, d.Surface, massKilograms), out var test) ? test with { Sled = d.Sled } : null).OfType<LoadTestOfDay>().OrderByDescending(t => t.Day)];
    }

    private static LoadTestOfDay Tested(DateOnly day, Surface surface, int session, IReadOnlyList<Run> runs, double tau, double mass)
    {
        var all = runs.Select(r => (Run: r, Kilograms: KilogramsOf(r, mass))).Where(x => x.Kilograms is not null && x.Run.Marks.Count > 0).Select(x => Told(x.Run, x.Kilograms!.Value)).ToList();
        var points = LoadTest.Points(all, tau, mass);
        return new(day, surface, points, points.Line(), all.Count == 0 ? 0 : all.Max(r => r.Marks[^1].Metres - r.ClockFromMetres), session);
    }

    /// <summary>What was on the sled: what was written down, else what the line said; 0 free; null where nobody knows.</summary>
    private static double? KilogramsOf(Run run, double massKilograms) => run.Load.Length == 0 ? 0
        : run.Measures.FirstOrDefault(m => m.Kind == MeasureKind.Load)?.Value ?? Trial.KilogramsOf(run.Load, massKilograms);

    /// <summary>The load line that stands on a floor: of the newest test, with the days since in it.</summary>
    /// <param name="athleteId">Number of the athlete.</param>
    /// <param name="massKilograms">Body mass, kg, or null.</param>
    /// <param name="surface">The floor.</param>
    /// <param name="today">The day for which it is asked.</param>
    /// <param name="cancel">Gives up.</param>
    /// <param name="but">A session left out: one that is running is no test yet.</param>
    /// <param name="sled">Kind of sled; empty while nobody has said it.</param>
    public async Task<LoadTestOfDay?> StandingAsync(int athleteId, double? massKilograms, Surface surface, DateOnly today, CancellationToken cancel = default, int but = 0, string sled = "")
    {
        var tests = (await TestsAsync(athleteId, massKilograms, cancel, but)).Where(t => t.Surface == surface && t.Sled.Equals(sled, StringComparison.OrdinalIgnoreCase)).ToList();
        if (tests.FirstOrDefault(t => t.Found.Line is not null && t.Day > today.AddDays(-OldestDays)) is not { } test)
        {
            return null;
        }

        var later = tests.Where(t => t.Day > test.Day && t.Runs.Slowings.Count > 0).ToList();
        var runs = test.Runs.With(later.Select(t => t.Runs));
        return later.Count > 0 && runs.Line() is { Line: not null } found ? test with { Runs = runs, Found = found, Later = later.Count } : test;
    }

    /// <summary>Free runs soon after loaded ones against the athlete's usual over the same stretch, by session.</summary>
    /// <param name="athleteId">Number of the athlete.</param>
    /// <param name="today">The day for which it is asked: nothing later counts, and what is older than <see cref="OldestDays"/> is not usual any more.</param>
    /// <param name="cancel">Gives up.</param>
    public async Task<IReadOnlyDictionary<int, Contrast>> ContrastsAsync(int athleteId, DateOnly today, CancellationToken cancel = default)
    {
        var from = today.AddDays(-OldestDays);
        var loaded = (await db.Runs.AsNoTracking().Where(r => r.AthleteId == athleteId && r.Day > from && r.Day <= today && r.Load != "" && r.Outcome == RunOutcome.Timed).Select(r => new { r.SessionId, r.FinishedAt, r.Load }).ToListAsync(cancel))
            .Where(r => !Trial.Helps(r.Load)).ToLookup(r => r.SessionId, r => r.FinishedAt);
        var days = loaded.Select(g => g.Key).ToList();
        if (days.Count == 0)
        {
            return new Dictionary<int, Contrast>();
        }

        // Free runs from rest over their whole length; the trial says which compare.
        var free = (await Telling(db.Runs.Where(r => r.AthleteId == athleteId && r.Day > from && r.Day <= today && r.Load == "")).Where(r => r.Marks.Count > 0)
            .Select(r => new { r.SessionId, r.FinishedAt, Whole = r.Stretches.Where(s => s.FromMillimetres == 0).OrderByDescending(s => s.ToMillimetres).Select(s => new { s.Key, s.ToMillimetres, s.Seconds }).FirstOrDefault() }).ToListAsync(cancel))
            .Where(r => r.Whole is not null).ToList();
        var isAfter = free.ToLookup(r => Contrast.IsAfter(loaded[r.SessionId], r.FinishedAt));
        var usual = isAfter[false].ToLookup(r => (r.Whole!.Key, r.Whole.ToMillimetres), r => r.Whole!.Seconds);
        var found = new Dictionary<int, Contrast>();
        foreach (var day in isAfter[true].GroupBy(r => r.SessionId))
        {
            var trial = day.GroupBy(r => (r.Whole!.Key, r.Whole.ToMillimetres)).MaxBy(g => (g.Count(), g.Key.ToMillimetres))!;
            if (Contrast.Of([.. trial.Select(r => r.Whole!.Seconds)], [.. usual[trial.Key]]) is { } contrast)
            {
                found[day.Key] = contrast;
            }
        }

        return found;
    }

    /// <summary>What is known of an athlete on a floor.</summary>
    /// <param name="athlete">The athlete.</param>
    /// <param name="surface">The floor.</param>
    /// <param name="kit">The club's kit.</param>
    /// <param name="today">The day for which it is asked.</param>
    /// <param name="cancel">Gives up.</param>
    /// <param name="butSession">A session left out: one that is running is no test yet.</param>
    /// <param name="withCosts">False where only masses are asked for.</param>
    /// <param name="sled">Kind of sled; empty while nobody has said it.</param>
    public async Task<(LoadKnown Known, LoadTestOfDay? Test)> KnownAsync(Athlete athlete, Surface surface, ClubKit kit, DateOnly today, CancellationToken cancel = default, int butSession = 0, bool withCosts = true, string sled = "")
    {
        var curve = (await squads.CurveAsync(athlete.Id, cancel)).Fit?.Curve ?? DemandAthlete.UsualCurve;
        var test = await StandingAsync(athlete.Id, athlete.MassKilograms, surface, today, cancel, butSession, sled);
        return (new(curve, athlete.MassKilograms ?? LoadEffect.UsualMassKilograms, kit.On(surface, sled), test?.Found.Line) { Costs = withCosts ? await CostsAsync(cancel) : new Dictionary<string, KitCost>() }, test);
    }
}
