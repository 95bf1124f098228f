using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Core.Progress;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data;

/// <summary>An aerobic speed that stands.</summary>
/// <param name="Test">Number of the test.</param>
/// <param name="Speed">m/s.</param>
/// <param name="Seconds">Time of the test, s.</param>
/// <param name="Day">Day of the test.</param>
/// <param name="IsOld">True when it is older than half a year.</param>
public readonly record struct StandingSpeed(int Test, double Speed, double Seconds, DateOnly Day, bool IsOld);

/// <summary>What athletes can do by test: maxima of lifts, as tested and as the sets of training show, and aerobic speeds.</summary>
public sealed class LiftBook(ClubDb db, SeasonOfOne season, ExerciseCatalogue catalogue, TimeProvider clock)
{
    // Older sets say nothing of today, and reading them all would take long.
    private const int LookBackDays = 2 * StandingMaximum.GoodForDays;

    /// <summary>True for a line whose load is a share of what can be lifted once.</summary>
    public static bool IsShare(PlanLine line) => line.Load is { Kind: LoadKind.Lift, Unit: LoadUnit.PercentMaximum };

    /// <summary>True for a lift by a share of body mass.</summary>
    public static bool IsOfBody(PlanLine line) => line.Load is { Kind: LoadKind.Lift, Unit: LoadUnit.PercentBodyMass };

    /// <summary>True for a line that asks something else of each athlete: a share of a maximum, of body mass or of an aerobic speed.</summary>
    public static bool IsOwn(PlanLine line) => IsShare(line) || IsOfBody(line) || IsPaced(line);

    /// <summary>True for a line whose reps are a share of the aerobic speed.</summary>
    public static bool IsPaced(PlanLine line) => line.Goal is { AerobicPercent: not null };

    /// <summary>Aerobic speeds by the latest test up to a day.</summary>
    public async Task<IReadOnlyDictionary<int, StandingSpeed>> SpeedsAsync(IReadOnlyCollection<int> athletes, DateOnly on, CancellationToken cancel = default) =>
        (await db.AerobicTests.AsNoTracking().Where(t => athletes.Contains(t.AthleteId) && t.Day <= on).ToListAsync(cancel)).GroupBy(t => t.AthleteId).Select(g => g.OrderByDescending(t => t.Day).ThenByDescending(t => t.Id).First())
        .Where(t => AerobicPace.OfShuttles(t.Seconds) is not null)
        .ToDictionary(t => t.AthleteId, t => new StandingSpeed(t.Id, AerobicPace.OfShuttles(t.Seconds)!.Value, t.Seconds, t.Day, t.Day < on.AddDays(-StandingMaximum.GoodForDays)));

    /// <summary>Stores shuttle tests of a day together.</summary>
    public async Task<IReadOnlyList<int>> AddShuttlesAsync(DateOnly day, IReadOnlyDictionary<int, double> seconds, string by, CancellationToken cancel = default)
    {
        var rows = seconds.Select(t => new AerobicTest { AthleteId = t.Key, Seconds = t.Value, Day = day, By = by }).ToList();
        db.AerobicTests.AddRange(rows);
        await db.SaveChangesAsync(cancel);
        return [.. rows.Select(r => r.Id)];
    }

    /// <summary>Takes shuttle tests of a squad's athletes out, or brings them back.</summary>
    public Task<int> RemoveShuttlesAsync(int squadId, IReadOnlyCollection<int> tests, bool removed, CancellationToken cancel = default) =>
        db.AerobicTests.IgnoreQueryFilters().Where(t => tests.Contains(t.Id) && t.Athlete!.SquadId == squadId)
            .ExecuteUpdateAsync(u => u.SetProperty(t => t.DeletedAt, removed ? clock.GetUtcNow().UtcDateTime : null), cancel);

    /// <summary>A lift by the name the catalogue has for it.</summary>
    public string NameOf(string exercise) => catalogue.Find(exercise)?.Name ?? exercise.Trim();

    /// <summary>The maxima that stand on a day, by athlete and lift.</summary>
    /// <param name="athletes">Numbers of the athletes.</param>
    /// <param name="on">The day.</param>
    /// <param name="but">A session whose own sets do not count: they are done by these maxima.</param>
    /// <param name="cancel">Gives up.</param>
    public async Task<LiftBoard> StandingAsync(IReadOnlyCollection<int> athletes, DateOnly on, int? but = null, CancellationToken cancel = default)
    {
        var tests = await db.LiftTests.AsNoTracking().Where(t => athletes.Contains(t.AthleteId)).ToListAsync(cancel);
        var sets = await season.SetsAsync(athletes, on.AddDays(-LookBackDays), but, cancel);
        var all = tests.Select(t => (t.AthleteId, Name: t.Exercise, Set: new LiftSet(t.Day, t.Kilograms, t.Reps, true))).Concat(sets.Select(s => (s.AthleteId, Name: NameOf(s.Name), s.Set)));
        return new(all.GroupBy(x => (x.AthleteId, x.Name.ToUpperInvariant())).Select(g => (g.Key, g.First().Name, Of: StandingMaximum.Of(g.Select(x => x.Set), on))).Where(x => x.Of is not null)
            .ToDictionary(x => x.Key, x => (x.Name, x.Of!)));
    }

    /// <summary>Tests of athletes, the latest first.</summary>
    public Task<List<LiftTest>> TestsAsync(IReadOnlyCollection<int> athletes, string exercise, CancellationToken cancel = default) =>
        db.LiftTests.AsNoTracking().Where(t => athletes.Contains(t.AthleteId) && t.Exercise == exercise).OrderByDescending(t => t.Day).ThenByDescending(t => t.Id).ToListAsync(cancel);

    /// <summary>Stores tests of a day together.</summary>
    public async Task<IReadOnlyList<int>> AddAsync(string exercise, DateOnly day, IReadOnlyDictionary<int, (double Kilograms, int Reps)> tests, string by, CancellationToken cancel = default)
    {
        var rows = tests.Select(t => new LiftTest { AthleteId = t.Key, Exercise = NameOf(exercise), Kilograms = t.Value.Kilograms, Reps = t.Value.Reps, Day = day, By = by }).ToList();
        db.LiftTests.AddRange(rows);
        await db.SaveChangesAsync(cancel);
        return [.. rows.Select(r => r.Id)];
    }

    /// <summary>Takes tests of a squad's athletes out, or brings them back.</summary>
    public Task<int> RemoveAsync(int squadId, IReadOnlyCollection<int> tests, bool removed, CancellationToken cancel = default) =>
        db.LiftTests.IgnoreQueryFilters().Where(t => tests.Contains(t.Id) && t.Athlete!.SquadId == squadId)
            .ExecuteUpdateAsync(u => u.SetProperty(t => t.DeletedAt, removed ? clock.GetUtcNow().UtcDateTime : null), cancel);
}

/// <summary>Maxima that stand.</summary>
public sealed class LiftBoard(IReadOnlyDictionary<(int Athlete, string Exercise), (string Name, StandingMaximum Of)> of)
{
    /// <summary>Nobody's.</summary>
    public static LiftBoard Empty { get; } = new(new Dictionary<(int, string), (string, StandingMaximum)>());

    /// <summary>An athlete's maximum on a lift, or null.</summary>
    public StandingMaximum? Find(int athlete, string? exercise) => exercise is not null && of.TryGetValue((athlete, exercise.ToUpperInvariant()), out var found) ? found.Of : null;

    /// <summary>An athlete's maxima by name.</summary>
    public IEnumerable<(string Name, StandingMaximum Of)> Of(int athlete) => of.Where(x => x.Key.Athlete == athlete).Select(x => x.Value).OrderBy(x => x.Name, StringComparer.CurrentCulture);

    /// <summary>Lifts that somebody has a maximum on.</summary>
    public IEnumerable<string> Lifts => of.Values.Select(v => v.Name).Distinct(StringComparer.OrdinalIgnoreCase).Order(StringComparer.CurrentCulture);
}
