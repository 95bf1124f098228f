using InchBurst.Core.Log;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data;

/// <summary>An athlete's best run of a day read against what came before.</summary>
public sealed record DayBest(Athlete Athlete, LoggedRun Run, RunMeaning Meaning);

/// <summary>Looks back over results.</summary>
public sealed class ResultsBook(ClubDb db)
{
    public Task<DateOnly?> LastDayAsync(int squadId, CancellationToken cancel = default) =>
        db.Athletes.Where(a => a.SquadId == squadId && a.RetiredAt == null)
            .Select(a => db.Runs.Where(r => r.AthleteId == a.Id && r.Outcome == RunOutcome.Timed).Max(r => (DateOnly?)r.Day))
            .MaxAsync(cancel);

    /// <summary>The athlete's timed runs logged before a run, newest first, as many as a season holds.</summary>
    public async Task<List<LoggedRun>> BeforeAsync(Run run, CancellationToken cancel = default)
    {
        var runs = await db.Runs.AsNoTracking().Include(r => r.Marks)
            .Where(r => r.AthleteId == run.AthleteId && r.Outcome == RunOutcome.Timed && r.Id != run.Id && (r.Day < run.Day || (r.Day == run.Day && r.FinishedAt <= run.FinishedAt)))
            .OrderByDescending(r => r.Day).Take(600).ToListAsync(cancel);
        return [.. runs.Where(r => r.Marks.Count > 0).Select(r => r.ToLogged())];
    }

    public async Task<List<DayBest>> BestOfDayAsync(int squadId, DateOnly day, CancellationToken cancel = default)
    {
        var athletes = await db.Athletes.AsNoTracking().Where(a => a.SquadId == squadId && a.RetiredAt == null).ToListAsync(cancel);
        var found = new List<DayBest>();
        foreach (var athlete in athletes)
        {
            var runs = await db.Runs.AsNoTracking().Include(r => r.Marks)
                .Where(r => r.AthleteId == athlete.Id && r.Day <= day && r.Outcome == RunOutcome.Timed)
                .OrderByDescending(r => r.Day).ThenByDescending(r => r.Id).Take(120).ToListAsync(cancel);
            var before = runs.Where(r => r.Day < day).Select(r => r.ToLogged()).ToList();
            var best = runs.Where(r => r.Day == day && r.Marks.Count > 0).Select(r => r.ToLogged())
                .Select(r => new DayBest(athlete, r, RunMeaning.Of(r, before)))
                .OrderByDescending(r => Math.Round(r.Run.Marks[^1].At.Metres)).ThenByDescending(r => r.Meaning.Speed).FirstOrDefault();
            if (best is not null)
            {
                found.Add(best);
            }
        }

        return [.. found.OrderByDescending(f => f.Meaning.IsNewBest).ThenByDescending(f => f.Meaning.ShareOfBest ?? 0)];
    }
}
