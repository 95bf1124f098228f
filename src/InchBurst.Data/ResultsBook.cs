using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data;

/// <summary>An athlete's best run of a day read against what came before.</summary>
public sealed record DayBest(Athlete Athlete, LoggedRun Run, RunMeaning Meaning);

/// <summary>Looks back over results.</summary>
public sealed class ResultsBook(ClubDb db, CurveShelf shelf)
{
    public Task<DateOnly?> LastDayAsync(int squadId, CancellationToken cancel = default) =>
        db.Athletes.Where(a => a.SquadId == squadId && a.RetiredAt == null)
            .Select(a => db.Runs.Where(r => r.AthleteId == a.Id && r.Outcome == RunOutcome.Timed).Max(r => (DateOnly?)r.Day))
            .MaxAsync(cancel);

    /// <summary>Best earlier time over a run's headline stretch among the runs that <see cref="RunMeaning.Comparable"/> allows, found in the file without loading them.</summary>
    public Task<double?> BestBeforeAsync(Run run, bool earlierDaysOnly = false, CancellationToken cancel = default)
    {
        var logged = run.ToLogged();
        var (from, to) = RunMeaning.Headline(logged);
        var (near, far) = (from.At.Millimetres, to.At.Millimetres);
        var earlier = db.Runs.Where(r => r.AthleteId == run.AthleteId && r.Id != run.Id && r.Outcome == RunOutcome.Timed
            && (r.Day < run.Day || (!earlierDaysOnly && r.Day == run.Day && r.FinishedAt <= run.FinishedAt))
            && r.Method == run.Method && r.Side == run.Side);
        var flying = from.At.Millimetres > 0;
        if (!flying)
        {
            earlier = earlier.Where(r => r.Trigger == run.Trigger
                && r.StartBehindGateMetres >= run.StartBehindGateMetres - Bests.SameStartMetres && r.StartBehindGateMetres <= run.StartBehindGateMetres + Bests.SameStartMetres);
        }

        earlier = logged.IsFree ? earlier.Where(r => r.Kind != WorkKind.Resisted && r.Kind != WorkKind.Assisted) : earlier.Where(r => r.Kind == run.Kind);
        return !flying
            ? earlier.SelectMany(r => r.Marks).Where(m => m.Millimetres == far).MinAsync(m => (double?)m.Seconds, cancel)
            : earlier.SelectMany(r => r.Marks.Where(a => a.Millimetres == near), (r, a) => new { r, a })
                .SelectMany(x => x.r.Marks.Where(b => b.Millimetres == far), (x, b) => (double?)(b.Seconds - x.a.Seconds)).MinAsync(cancel);
    }

    /// <summary>What an athlete took for the stretches of a line in the latest runs that may be set beside it: same timing, kind of load and effort within 5%.</summary>
    public async Task<IReadOnlyList<StretchRange>> RangesAsync(int athleteId, PlanLine line, LineTiming timing, CancellationToken cancel = default)
    {
        var free = line.Kind is not (WorkKind.Resisted or WorkKind.Assisted);
        var runs = await db.Runs.AsNoTracking().Include(r => r.Marks)
            .Where(r => r.AthleteId == athleteId && r.Outcome == RunOutcome.Timed && r.Conflict == null && r.Method == timing.Method
                && r.Effort >= line.HardestEffort - 5 && r.Effort <= line.HardestEffort + 5
                && (free ? r.Kind != WorkKind.Resisted && r.Kind != WorkKind.Assisted : r.Kind == line.Kind))
            .OrderByDescending(r => r.Day).ThenByDescending(r => r.Id).Take(RangeRuns).ToListAsync(cancel);
        var stretches = runs.Select(r => r.ToLogged()).SelectMany(r => r.Segments
            .Where(s => s.IsFlying || (r.Trigger == timing.Trigger && Math.Abs(r.StartBehindGateMetres - timing.StartBehindGateMetres) <= Bests.SameStartMetres))
            .Select(s => (From: (int)Math.Round(s.FromMetres * 1000), To: (int)Math.Round(s.ToMetres * 1000), s.Seconds)));
        return [.. stretches.GroupBy(s => (s.From, s.To)).Select(g => new StretchRange(g.Key.From, g.Key.To, g.Min(x => x.Seconds), g.Max(x => x.Seconds), g.Count()))];
    }

    private const int RangeRuns = 20;

    public async Task<List<DayBest>> BestOfDayAsync(int squadId, DateOnly day, CancellationToken cancel = default)
    {
        var runs = await db.Runs.AsNoTracking().Include(r => r.Marks).Include(r => r.Athlete)
            .Where(r => r.Day == day && r.Outcome == RunOutcome.Timed && r.Athlete!.SquadId == squadId && r.Athlete.RetiredAt == null && r.Session!.Day == day).ToListAsync(cancel);
        var found = new List<DayBest>();
        foreach (var group in runs.Where(r => r.Marks.Count > 0).GroupBy(r => r.AthleteId))
        {
            // The longest stretch says most; among equals the fastest.
            var best = group.Select(r => (Run: r, Meaning: RunMeaning.Against(r.ToLogged(), null)))
                .OrderByDescending(x => x.Run.Marks.Max(m => m.Millimetres)).ThenByDescending(x => x.Meaning.Speed).First();
            var logged = best.Run.ToLogged();
            found.Add(new(best.Run.Athlete!, logged, RunMeaning.Against(logged, await shelf.BestBeforeAsync(best.Run.AthleteId, best.Run.Id, () => BestBeforeAsync(best.Run, earlierDaysOnly: true, cancel)))));
        }

        return [.. found.OrderByDescending(f => f.Meaning.IsNewBest).ThenByDescending(f => f.Meaning.ShareOfBest ?? 0)];
    }
}
