using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Core.Progress;
using InchBurst.Core.Units;
using InchBurst.Data.Entities;
using MathNet.Numerics.Statistics;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data;

/// <summary>Finds what is laid over each other: days and runs of an athlete, other athletes, the squad's middle; and how much times differ by themselves.</summary>
public sealed class CompareBook(ClubDb db, CurveShelf shelf)
{
    /// <summary>Days back over which repeats of the squad tell the typical error, and others are looked for.</summary>
    public const int Days = 200;

    private const int MostRuns = 60;

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
    public async Task<TrialScatter> ScatterAsync(IReadOnlyCollection<int> squad, LoggedRun sample, DateOnly today, CancellationToken cancel = default)
    {
        var from = today.AddDays(-Days);
        var (key, least) = (sample.Trial.StartKey, sample.Effort - LikeEffort);
        var rows = await db.RunStretches.AsNoTracking().Where(s => squad.Contains(s.AthleteId) && s.Key == key && s.FromMillimetres == 0 && s.Day >= from && s.Day <= today && s.Effort >= least)
            .OrderBy(s => s.Day).ThenBy(s => s.FinishedAt).Select(s => new { s.AthleteId, s.ToMillimetres, s.Day, s.Seconds }).ToListAsync(cancel);
        return new(sample.Method, rows.GroupBy(r => r.ToMillimetres).ToDictionary(g => g.Key, g => SquadScatter.Of(g.Select(r => (r.AthleteId, r.Day, r.Seconds)))));
    }

    /// <summary>An athlete's times over one stretch of a trial since a day, in the order they were run, those asked as hard as the hardest.</summary>
    /// <param name="athleteId">The athlete.</param>
    /// <param name="stretch">Key of the trial with the stretch.</param>
    /// <param name="from">First day.</param>
    /// <param name="without">What is taken out of the times.</param>
    /// <param name="cancel">Gives up.</param>
    public async Task<IReadOnlyList<(DateOnly Day, double Seconds, Adjusts Known)>> AttemptsAsync(int athleteId, SquadStretch stretch, DateOnly from, Adjusts without, CancellationToken cancel = default)
    {
        var rows = await Of(stretch).Where(s => s.AthleteId == athleteId && s.Day >= from).OrderBy(s => s.Day).ThenBy(s => s.FinishedAt).Select(s => new { s.Day, s.Seconds, s.Air, s.Reaction, s.Effort }).ToListAsync(cancel);
        var least = rows.Count == 0 ? 0 : rows.Max(r => r.Effort) - LikeEffort;
        return
        [
            .. rows.Where(r => r.Effort >= least).Select(r => (
                r.Day, r.Seconds + (without.HasFlag(Adjusts.Air) ? r.Air ?? 0 : 0) + (without.HasFlag(Adjusts.Reaction) ? r.Reaction ?? 0 : 0), (r.Air is null ? Adjusts.None : Adjusts.Air) | (r.Reaction is null ? Adjusts.None : Adjusts.Reaction))),
        ];
    }

    /// <summary>How a squad's times over one stretch of a trial differ.</summary>
    public async Task<SquadScatter> ScatterAsync(IReadOnlyCollection<int> squad, SquadStretch stretch, DateOnly today, CancellationToken cancel = default)
    {
        var from = today.AddDays(-Days);
        var rows = await Of(stretch).Where(s => squad.Contains(s.AthleteId) && s.Day >= from && s.Effort >= Limits.FullPercent).OrderBy(s => s.Day).ThenBy(s => s.FinishedAt).Select(s => new { s.AthleteId, s.Day, s.Seconds }).ToListAsync(cancel);
        return SquadScatter.Of(rows.Select(r => (r.AthleteId, r.Day, r.Seconds)));
    }

    private IQueryable<RunStretch> Of(SquadStretch stretch) => db.RunStretches.AsNoTracking().Where(s => s.Key == stretch.Key && s.FromMillimetres == stretch.From && s.ToMillimetres == stretch.To && !db.Runs.Any(r => r.Id == s.RunId && r.Conflict != null));

    /// <summary>Times of a squad, free and straight on and at full effort, since a day.</summary>
    public async Task<IReadOnlyList<SquadTime>> TimesAsync(IReadOnlyCollection<int> squad, DateOnly from, CancellationToken cancel = default) => [.. (await shelf.Times.GetAsync(squad, from, async (asked, days) =>

        // By the runs of those days: the index of stretches would be read from the first year on.
        (await db.Runs.AsNoTracking().Where(r => asked.Contains(r.AthleteId) && r.Day >= from && (days == null || days.Contains(r.Day)) && r.Effort >= Limits.FullPercent).Join(db.RunStretches, r => r.Id, s => s.RunId, (r, s) => s)
            .Where(s => s.Key.StartsWith(FreeAndStraight) || s.Key.StartsWith(FlyingFree)).Select(s => new SquadTime(s.AthleteId, s.Key, s.FromMillimetres, s.ToMillimetres, s.Day, s.Seconds)).ToListAsync(cancel)).ToLookup(t => t.Athlete))).SelectMany(g => g)];

    /// <summary>A trial in words: how it was started and timed; empty when it is the usual one.</summary>
    public async Task<string> WordsAsync(string startKey, CancellationToken cancel = default) =>
        await db.RunStretches.Where(s => s.Key == startKey).Select(s => s.RunId).FirstOrDefaultAsync(cancel) is > 0 and var id && await db.Runs.AsNoTracking().Include(r => r.Marks).SingleOrDefaultAsync(r => r.Id == id, cancel) is { } run ? run.ToLogged().Trial.Words : "";

    private const string FlyingFree = "fly|" + Trial.Straight + "||";
    private const double LikeEffort = 5;

    /// <summary>What repeats of a squad say of a trial.</summary>
    public sealed class TrialScatter(TimingMethod method, IReadOnlyDictionary<int, SquadScatter> at)
    {
        /// <summary>Typical error of one run at a mark.</summary>
        public TypicalError ErrorAt(Distance mark) => at.TryGetValue(mark.Millimetres, out var found)
            ? TypicalError.Of(found.Repeats, method, found.Athletes.Values.Average())
            : TypicalError.Of([], method, UsualPace * mark.Metres);

        /// <summary>Smallest gain that matters: a fifth of the scatter between athletes; null with too few of them.</summary>
        public double? SmallestAt(Distance mark) => at.TryGetValue(mark.Millimetres, out var found) ? found.Smallest : null;

        /// <summary>The middle of the squad but for one athlete: the median of each athlete's latest runs at each mark.</summary>
        public IReadOnlyList<(Distance At, double Seconds, int Runs)> Middle(IEnumerable<Distance> marks, int but) =>
        [
            .. marks.Where(m => at.TryGetValue(m.Millimetres, out var found) && found.Athletes.Keys.Count(a => a != but) >= SquadScatter.FewestAthletes - 1)
                .Select(m => (m, at[m.Millimetres].Athletes.Where(a => a.Key != but).Select(a => a.Value).Median(), 0)),
        ];

        // Seconds a metre of a middling sprint, where nobody has run a mark yet.
        private const double UsualPace = 0.15;
    }
}
