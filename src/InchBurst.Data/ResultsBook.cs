using InchBurst.Core.Demand;
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

    /// <summary>Best earlier time over a run's headline stretch within its trial, found in the index without loading runs.</summary>
    public Task<double?> BestBeforeAsync(Run run, bool earlierDaysOnly = false, CancellationToken cancel = default)
    {
        var headline = Stretches.Headline(run.ToLogged());
        return db.RunStretches.Where(s => s.AthleteId == run.AthleteId && s.Key == headline.Key && s.FromMillimetres == headline.FromMillimetres && s.ToMillimetres == headline.ToMillimetres && s.RunId != run.Id
            && (s.Day < run.Day || (!earlierDaysOnly && s.Day == run.Day && s.FinishedAt <= run.FinishedAt))).MinAsync(s => (double?)s.Seconds, cancel);
    }

    /// <summary>Best time of a trial over a stretch, or null.</summary>
    public Task<double?> BestAsync(int athleteId, string key, int fromMillimetres, int toMillimetres, CancellationToken cancel = default) =>
        db.RunStretches.Where(s => s.AthleteId == athleteId && s.Key == key && s.FromMillimetres == fromMillimetres && s.ToMillimetres == toMillimetres).MinAsync(s => (double?)s.Seconds, cancel);

    /// <summary>What an athlete took for the stretches of a line in the latest runs of its trial at an effort within 5%.</summary>
    public async Task<IReadOnlyList<StretchRange>> RangesAsync(int athleteId, LineDemand demand, LineTiming timing, Side? side, CancellationToken cancel = default)
    {
        var trial = Trial.Of(demand, timing.Method, timing.Entry == EntryMode.ZoneOnly ? StartTrigger.ZoneLine : timing.Trigger, timing.StartBehindGateMetres, side);
        var (least, most) = (demand.HardestEffort - 5, demand.HardestEffort + 5);
        var marks = LineMarks.Expected(demand);
        var ranges = new List<StretchRange>();
        for (var i = trial.StartKey is null ? 1 : 0; i < marks.Count; i++)
        {
            var (from, to) = (i == 0 ? 0 : marks[i - 1].Millimetres, marks[i].Millimetres);
            var key = i == 0 ? trial.StartKey! : trial.FlyingKey;
            var times = await db.RunStretches.Where(s => s.AthleteId == athleteId && s.Key == key && s.FromMillimetres == from && s.ToMillimetres == to && s.Effort >= least && s.Effort <= most)
                .Where(s => !db.Runs.Any(r => r.Id == s.RunId && r.Conflict != null)).OrderByDescending(s => s.Day).ThenByDescending(s => s.FinishedAt).Take(RangeRuns).Select(s => s.Seconds).ToListAsync(cancel);
            if (times.Count > 0)
            {
                ranges.Add(new(from, to, times.Min(), times.Max(), times.Count));
            }
        }

        return ranges;
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
