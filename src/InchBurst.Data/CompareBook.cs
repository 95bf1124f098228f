using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Core.Progress;
using InchBurst.Core.Units;
using InchBurst.Data.Entities;
using MathNet.Numerics.Statistics;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data;

/// <summary>Finds what is laid over each other: days and runs of an athlete, other athletes, the squad's middle; and how much times differ by themselves.</summary>
public sealed class CompareBook(ClubDb db)
{
    /// <summary>Days back over which repeats of the squad tell the typical error, and others are looked for.</summary>
    public const int Days = 200;

    private const int MostRuns = 60;
    private const int FewestAthletes = 4;

    // Free runs straight on, timed from the start.
    private IQueryable<Run> Told => db.Runs.AsNoTracking().Where(r => r.Outcome == RunOutcome.Timed && r.Trigger != StartTrigger.ZoneLine && r.Load == "" && r.Course == Trial.Straight && r.Rep > 0);

    /// <summary>What an athlete ran from the start, free and straight on, by day and trial, of the last two years.</summary>
    public async Task<IReadOnlyList<CompareTrial>> TrialsAsync(int athleteId, DateOnly today, CancellationToken cancel = default)
    {
        var from = today.AddYears(-2);
        var rows = await db.RunStretches.AsNoTracking().Where(s => s.AthleteId == athleteId && s.FromMillimetres == 0 && s.Key.StartsWith(FreeAndStraight) && s.Day >= from)
            .Select(s => new { s.Key, s.Day, s.ToMillimetres }).Distinct().ToListAsync(cancel);
        return [.. rows.GroupBy(r => (r.Day, r.Key)).Select(g => new CompareTrial(g.Key.Day, g.Key.Key, g.Select(r => r.ToMillimetres).ToHashSet()))];
    }

    // How the keys of such trials begin.
    private const string FreeAndStraight = Trial.Straight + "||";

    /// <summary>An athlete's runs of a day, in the order they were run.</summary>
    public async Task<IReadOnlyList<LoggedRun>> OfDayAsync(int athleteId, DateOnly day, CancellationToken cancel = default) =>
        [.. (await Told.Include(r => r.Marks).Where(r => r.AthleteId == athleteId && r.Day == day).OrderBy(r => r.FinishedAt).Take(MostRuns).ToListAsync(cancel)).Select(r => r.ToLogged()).Where(r => r.Marks.Count > 0)];

    /// <summary>An athlete's latest runs.</summary>
    public async Task<IReadOnlyList<LoggedRun>> LatestAsync(int athleteId, CancellationToken cancel = default) =>
        [.. (await Told.Include(r => r.Marks).Where(r => r.AthleteId == athleteId).OrderByDescending(r => r.Day).ThenByDescending(r => r.FinishedAt).Take(MostRuns).ToListAsync(cancel)).Select(r => r.ToLogged()).Where(r => r.Marks.Count > 0)];

    /// <summary>How the squad's times of a trial differ: from run to run by themselves, and between athletes.</summary>
    /// <param name="squad">Numbers of the athletes.</param>
    /// <param name="sample">A run of the trial.</param>
    /// <param name="today">The day.</param>
    /// <param name="cancel">Gives up.</param>
    public async Task<SquadScatter> ScatterAsync(IReadOnlyCollection<int> squad, LoggedRun sample, DateOnly today, CancellationToken cancel = default)
    {
        var from = today.AddDays(-Days);
        var (key, least) = (sample.Trial.StartKey, sample.Effort - LikeEffort);
        var rows = await db.RunStretches.AsNoTracking().Where(s => squad.Contains(s.AthleteId) && s.Key == key && s.FromMillimetres == 0 && s.Day >= from && s.Day <= today && s.Effort >= least)
            .OrderBy(s => s.Day).ThenBy(s => s.FinishedAt).Select(s => new { s.AthleteId, s.ToMillimetres, s.Day, s.Seconds }).ToListAsync(cancel);
        return new(sample.Method, rows.GroupBy(r => r.ToMillimetres).ToDictionary(
            g => g.Key,
            g => (
                (IReadOnlyList<IReadOnlyList<double>>)[.. g.GroupBy(r => (r.AthleteId, r.Day)).Select(d => (IReadOnlyList<double>)[.. d.Select(r => r.Seconds)])],
                (IReadOnlyDictionary<int, double>)g.GroupBy(r => r.AthleteId).ToDictionary(a => a.Key, a => a.OrderByDescending(r => r.Day).Take(Latest).Average(r => r.Seconds)))));
    }

    /// <summary>Times of a squad, free and straight on and at full effort, since a day.</summary>
    public async Task<IReadOnlyList<SquadTime>> TimesAsync(IReadOnlyCollection<int> squad, DateOnly from, CancellationToken cancel = default) =>
        // By the runs of those days: the index of stretches would be read from the first year on.
        await db.Runs.AsNoTracking().Where(r => squad.Contains(r.AthleteId) && r.Day >= from && r.Effort >= Limits.FullPercent).Join(db.RunStretches, r => r.Id, s => s.RunId, (r, s) => s)
            .Where(s => s.Key.StartsWith(FreeAndStraight) || s.Key.StartsWith(FlyingFree)).Select(s => new SquadTime(s.AthleteId, s.Key, s.FromMillimetres, s.ToMillimetres, s.Day, s.Seconds)).ToListAsync(cancel);

    /// <summary>A trial in words: how it was started and timed; empty when it is the usual one.</summary>
    public async Task<string> WordsAsync(string startKey, CancellationToken cancel = default) =>
        await db.RunStretches.Where(s => s.Key == startKey).Select(s => s.RunId).FirstOrDefaultAsync(cancel) is > 0 and var id && await db.Runs.AsNoTracking().Include(r => r.Marks).SingleOrDefaultAsync(r => r.Id == id, cancel) is { } run ? run.ToLogged().Trial.Words : "";

    private const string FlyingFree = "fly|" + Trial.Straight + "||";
    private const double LikeEffort = 5;
    private const int Latest = 3;

    /// <summary>What repeats of a squad say of a trial.</summary>
    public sealed class SquadScatter(TimingMethod method, IReadOnlyDictionary<int, (IReadOnlyList<IReadOnlyList<double>> Repeats, IReadOnlyDictionary<int, double> Athletes)> at)
    {
        /// <summary>Typical error of one run at a mark.</summary>
        public TypicalError ErrorAt(Distance mark) => at.TryGetValue(mark.Millimetres, out var found)
            ? TypicalError.Of(found.Repeats, method, found.Athletes.Values.Average())
            : TypicalError.Of([], method, UsualPace * mark.Metres);

        /// <summary>Smallest gain that matters: a fifth of the scatter between athletes; null with too few of them.</summary>
        public double? SmallestAt(Distance mark) => at.TryGetValue(mark.Millimetres, out var found) && found.Athletes.Count >= FewestAthletes ? RunComparison.SmallestShare * found.Athletes.Values.StandardDeviation() : null;

        /// <summary>The middle of the squad but for one athlete: the median of each athlete's latest runs at each mark.</summary>
        public IReadOnlyList<(Distance At, double Seconds, int Runs)> Middle(IEnumerable<Distance> marks, int but) =>
        [
            .. marks.Where(m => at.TryGetValue(m.Millimetres, out var found) && found.Athletes.Keys.Count(a => a != but) >= FewestAthletes - 1)
                .Select(m => (m, at[m.Millimetres].Athletes.Where(a => a.Key != but).Select(a => a.Value).Median(), 0)),
        ];

        // Seconds a metre of a middling sprint, where nobody has run a mark yet.
        private const double UsualPace = 0.15;
    }
}
