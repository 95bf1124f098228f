using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Units;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data;

/// <summary>An athlete's best run of a day read against what came before.</summary>
public sealed record DayBest(Athlete Athlete, LoggedRun Run, RunMeaning Meaning);

/// <summary>Something seen on an athlete again and again.</summary>
public sealed record SeenOften(Observation What, int Times, int Days, DateOnly Last);

/// <summary>What an athlete measured on one exercise: the greatest, the latest, how often.</summary>
public sealed record MeasuredOften(string Name, MeasureKind Kind, double Greatest, DateOnly GreatestDay, double Latest, DateOnly LatestDay, int Times);

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

    /// <summary>What was seen on an athlete in the latest runs, the most frequent first: how often, on how many days, and when last.</summary>
    public async Task<IReadOnlyList<SeenOften>> SeenAsync(int athleteId, CancellationToken cancel = default)
    {
        var runs = await db.Runs.AsNoTracking().Where(r => r.AthleteId == athleteId && r.Seen.Any()).OrderByDescending(r => r.Day).Take(SeenRuns).Select(r => new { r.Day, Codes = r.Seen.Select(s => s.Code).ToList() }).ToListAsync(cancel);
        var seen = runs.SelectMany(r => r.Codes.Select(code => (Code: code, r.Day)));
        return
        [
            .. seen.GroupBy(s => s.Code, StringComparer.OrdinalIgnoreCase).Select(g => new SeenOften(Observations.Of(g.First().Code), g.Count(), g.Select(s => s.Day).Distinct().Count(), g.Max(s => s.Day)))
                .OrderByDescending(s => s.Times).ThenByDescending(s => s.Last).ThenBy(s => s.What.Says, StringComparer.CurrentCulture),
        ];
    }

    private const int SeenRuns = 500;

    /// <summary>Heights, lengths, loads and heart rates of an athlete's latest runs, by exercise.</summary>
    public async Task<IReadOnlyList<MeasuredOften>> MeasuredAsync(int athleteId, CancellationToken cancel = default)
    {
        var runs = await db.Runs.AsNoTracking().Where(r => r.AthleteId == athleteId && r.Measures.Any()).OrderByDescending(r => r.Day).ThenByDescending(r => r.FinishedAt).Take(SeenRuns)
            .Select(r => new { r.SessionId, r.LineId, r.Day, Measures = r.Measures.Select(m => new { m.Kind, m.Value }).ToList() }).ToListAsync(cancel);
        var ids = runs.Select(r => r.SessionId).Distinct().ToList();
        var plans = (await db.Sessions.IgnoreQueryFilters().Where(s => ids.Contains(s.Id)).Select(s => new { s.Id, Json = s.RanPlanJson ?? s.PlanJson }).ToListAsync(cancel)).ToDictionary(s => s.Id, s => PlanJson.Read(s.Json));
        return
        [
            .. runs.SelectMany(r => r.Measures.Select(m => (Name: plans[r.SessionId].Line(r.LineId) is { } line ? line.Exercise ?? ShorthandPrinter.Dose(line) : "", m.Kind, m.Value, r.Day)))
                .Where(m => m.Name.Length > 0).GroupBy(m => (m.Name, m.Kind)).Select(g =>
                {
                    var (greatest, latest) = (g.MaxBy(m => m.Value), g.First());
                    return new MeasuredOften(g.Key.Name, g.Key.Kind, greatest.Value, greatest.Day, latest.Value, latest.Day, g.Count());
                }).OrderByDescending(m => m.Times).ThenBy(m => m.Name, StringComparer.CurrentCulture),
        ];
    }

    /// <summary>Best time of a trial over a stretch, or null.</summary>
    public Task<double?> BestAsync(int athleteId, string key, int fromMillimetres, int toMillimetres, CancellationToken cancel = default) =>
        db.RunStretches.Where(s => s.AthleteId == athleteId && s.Key == key && s.FromMillimetres == fromMillimetres && s.ToMillimetres == toMillimetres).MinAsync(s => (double?)s.Seconds, cancel);

    /// <summary>What an athlete took for the stretches of a line in the latest runs of its trial at an effort within 5%.</summary>
    public async Task<IReadOnlyList<StretchRange>> RangesAsync(int athleteId, LineDemand demand, LineTiming timing, Side? side, CancellationToken cancel = default)
    {
        var trial = Trial.Of(demand, timing.Method, timing.Entry == EntryMode.ZoneOnly ? StartTrigger.ZoneLine : timing.Trigger, timing.StartBehindGateMetres, side, timing.Surface);
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
