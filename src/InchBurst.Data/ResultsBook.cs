using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Progress;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Units;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data;

/// <summary>An athlete's best run of a day read against what came before.</summary>
public sealed record DayBest(Athlete Athlete, LoggedRun Run, RunMeaning Meaning)
{
    /// <summary>The day's other times over the same stretch, s.</summary>
    public IReadOnlyList<double> Others { get; init; } = [];

    /// <summary>What the bests of sessions before lay between, s; null with too few of them.</summary>
    public UsualRange? Usual { get; init; }
}

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
        var headline = Core.Log.Stretches.Headline(run.ToLogged());
        return db.RunStretches.Where(s => s.AthleteId == run.AthleteId && s.Key == headline.Key && s.FromMillimetres == headline.FromMillimetres && s.ToMillimetres == headline.ToMillimetres && s.RunId != run.Id
            && (s.Day < run.Day || (!earlierDaysOnly && s.Day == run.Day && s.FinishedAt <= run.FinishedAt))).MinAsync(s => (double?)s.Seconds, cancel);
    }

    /// <summary>What was seen on an athlete in the latest runs, the most frequent first: how often, on how many days, and when last.</summary>
    public async Task<IReadOnlyList<SeenOften>> SeenAsync(int athleteId, ExerciseCatalogue known, CancellationToken cancel = default)
    {
        var runs = await db.Runs.AsNoTracking().Where(r => r.AthleteId == athleteId).OrderByDescending(r => r.Day).Take(LookedAt).Where(r => r.Seen.Any()).OrderByDescending(r => r.Day).Take(SeenRuns).Select(r => new { r.Day, Codes = r.Seen.Select(s => s.Code).ToList() }).ToListAsync(cancel);
        var seen = runs.SelectMany(r => r.Codes.Select(code => (Code: code, r.Day)));
        return
        [
            .. seen.GroupBy(s => s.Code, StringComparer.OrdinalIgnoreCase).Select(g => new SeenOften(known.Seen(g.First().Code), g.Count(), g.Select(s => s.Day).Distinct().Count(), g.Max(s => s.Day)))
                .OrderByDescending(s => s.Times).ThenByDescending(s => s.Last).ThenBy(s => s.What.Says, StringComparer.CurrentCulture),
        ];
    }

    private const int SeenRuns = 500;

    // Of so many latest runs; years of them are not searched for what is rare.
    private const int LookedAt = 2000;

    /// <summary>How often each code or words were noted since a day, whatever the case, the most frequent first.</summary>
    /// <param name="from">First day.</param>
    /// <param name="cancel">Gives up.</param>
    public async Task<IReadOnlyList<(string Words, int Times)>> WordsAsync(DateOnly from, CancellationToken cancel = default)
    {
        var counts = await db.RunSeen.Join(db.Runs.Where(r => r.Day >= from), s => s.RunId, r => r.Id, (s, r) => s.Code).GroupBy(c => c).Select(g => new { Code = g.Key, Times = g.Count() }).ToListAsync(cancel);
        return [.. counts.GroupBy(c => c.Code, StringComparer.OrdinalIgnoreCase).Select(g => (g.MaxBy(c => c.Times)!.Code, Times: g.Sum(c => c.Times))).OrderByDescending(w => w.Times).ThenBy(w => w.Code, StringComparer.Ordinal)];
    }

    /// <summary>How often each code was noted, by athlete, from a day on and in other sessions than one.</summary>
    /// <param name="athletes">Numbers of the athletes.</param>
    /// <param name="but">The session that is left out.</param>
    /// <param name="from">First day.</param>
    /// <param name="cancel">Gives up.</param>
    public async Task<IReadOnlyDictionary<int, IReadOnlyDictionary<string, int>>> SeenByAsync(IReadOnlyCollection<int> athletes, int but, DateOnly from, CancellationToken cancel = default)
    {
        var counts = await db.RunSeen.Join(db.Runs.Where(r => athletes.Contains(r.AthleteId) && r.Day >= from && r.SessionId != but), s => s.RunId, r => r.Id, (s, r) => new { r.AthleteId, s.Code })
            .GroupBy(s => new { s.AthleteId, s.Code }).Select(g => new { g.Key.AthleteId, g.Key.Code, Times = g.Count() }).ToListAsync(cancel);
        return counts.GroupBy(c => c.AthleteId).ToDictionary(g => g.Key, g => (IReadOnlyDictionary<string, int>)g.ToDictionary(c => c.Code, c => c.Times));
    }

    /// <summary>Heights, lengths, loads and heart rates of an athlete's latest runs, by exercise; a load that was dragged or worn is no result.</summary>
    public async Task<IReadOnlyList<MeasuredOften>> MeasuredAsync(int athleteId, CancellationToken cancel = default)
    {
        var runs = await db.Runs.AsNoTracking().Where(r => r.AthleteId == athleteId).OrderByDescending(r => r.Day).Take(LookedAt).Where(r => r.Measures.Any()).OrderByDescending(r => r.Day).ThenByDescending(r => r.FinishedAt).Take(SeenRuns)
            .Select(r => new { r.SessionId, r.LineId, r.Day, Measures = r.Measures.Select(m => new { m.Kind, m.Value }).ToList() }).ToListAsync(cancel);
        var ids = runs.Select(r => r.SessionId).Distinct().ToList();
        var plans = (await db.Sessions.IgnoreQueryFilters().Where(s => ids.Contains(s.Id)).Select(s => new { s.Id, Json = s.RanPlanJson ?? s.PlanJson }).ToListAsync(cancel)).ToDictionary(s => s.Id, s => PlanJson.Read(s.Json));
        return
        [
            .. runs.Select(r => (Run: r, Line: plans[r.SessionId].Line(r.LineId))).Where(x => x.Line is not null)
                .SelectMany(x => x.Run.Measures.Where(m => m.Kind != MeasureKind.Load || x.Line!.IsLift).Select(m => (Name: x.Line!.Exercise ?? ShorthandPrinter.Dose(x.Line), m.Kind, m.Value, x.Run.Day)))
                .GroupBy(m => (m.Name, m.Kind)).Select(g =>
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
        var trial = Trial.Of(demand, timing.Method, timing.Entry == EntryMode.ZoneOnly ? StartTrigger.ZoneLine : timing.Trigger, timing.StartBehindGateMetres, side, timing.Surface, timing.Setting.Shoes);
        var (least, most) = (demand.HardestEffort - LikeEffort, demand.HardestEffort + LikeEffort);
        var ranges = new List<StretchRange>();
        foreach (var (key, from, to) in Stretches(demand, trial))
        {
            var times = await db.RunStretches.Where(s => s.AthleteId == athleteId && s.Key == key && s.FromMillimetres == from && s.ToMillimetres == to && s.Effort >= least && s.Effort <= most)
                .Where(s => !db.Runs.Any(r => r.Id == s.RunId && r.Conflict != null)).OrderByDescending(s => s.Day).ThenByDescending(s => s.FinishedAt).Take(RangeRuns).Select(s => s.Seconds).ToListAsync(cancel);
            if (times.Count > 0)
            {
                ranges.Add(new(from, to, times.Min(), times.Max(), times.Count));
            }
        }

        return ranges;
    }

    /// <summary>The latest reactions of athletes before a session, s, newest first.</summary>
    public async Task<ILookup<int, double>> ReactionsAsync(IReadOnlyList<int> athletes, int butSession, int most, CancellationToken cancel = default) =>
        (await db.Runs.Where(r => athletes.Contains(r.AthleteId) && r.SessionId != butSession && r.Reaction != null && r.DeletedAt == null)
            .Select(r => new { r.AthleteId, r.FinishedAt, r.Reaction }).ToListAsync(cancel))
            .GroupBy(r => r.AthleteId).SelectMany(g => g.OrderByDescending(r => r.FinishedAt).Take(most)).ToLookup(r => r.AthleteId, r => r.Reaction!.Value);

    /// <summary>What everybody of a session is known to have run over the stretches of its lines: bests before the session, and ranges.</summary>
    public async Task<IReadOnlyDictionary<int, (IReadOnlyList<KnownBest> Bests, IReadOnlyList<KnownRanges> Ranges)?>> KnownAsync(LiveSession live, ExerciseCatalogue catalogue, CancellationToken cancel = default)
    {
        var lines = live.Plan.Lines.Select(l => (Line: l, Demand: LineDemand.Of(l, catalogue))).Where(l => LineMarks.Expected(l.Demand).Count > 0)
            .SelectMany(l => (l.Line.EachSide || l.Line.Start?.Side is not null ? new Side?[] { Side.Left, Side.Right } : [null]).Select(side => (l.Line, l.Demand, Side: side, Timing: live.Session.TimingOf(l.Line.Id)))).ToList();
        Trial Of((PlanLine Line, LineDemand Demand, Side? Side, LineTiming Timing) l) => Trial.Of(l.Demand, l.Timing.Method, l.Timing.Entry == EntryMode.ZoneOnly ? StartTrigger.ZoneLine : l.Timing.Trigger, l.Timing.StartBehindGateMetres, l.Side, l.Timing.Surface, l.Timing.Setting.Shoes);
        var keys = lines.Select(Of).SelectMany(t => new[] { t.StartKey, t.FlyingKey }).OfType<string>().Distinct().ToList();
        var athletes = live.Attendance.Select(a => a.AthleteId).ToList();
        var rows = await db.RunStretches.Where(s => athletes.Contains(s.AthleteId) && keys.Contains(s.Key))
            .Select(s => new { s.AthleteId, s.Key, s.FromMillimetres, s.ToMillimetres, s.Seconds, s.Effort, s.Day, s.FinishedAt, Run = db.Runs.Where(r => r.Id == s.RunId).Select(r => new { r.SessionId, r.Conflict }).First() }).ToListAsync(cancel);
        return rows.GroupBy(r => r.AthleteId).ToDictionary(g => g.Key, g =>
        {
            var bests = g.Where(r => r.Run.SessionId != live.Session.Id).GroupBy(r => (r.Key, r.FromMillimetres, r.ToMillimetres)).Select(s => new KnownBest(s.Key.Key, s.Key.FromMillimetres, s.Key.ToMillimetres, s.Min(r => r.Seconds))).ToList();
            var ranges = lines.Select(l => new KnownRanges(l.Line.Id, l.Side, [.. LineRanges(l.Demand, Of(l))])).Where(k => k.Ranges.Count > 0).ToList();
            return ((IReadOnlyList<KnownBest>)bests, (IReadOnlyList<KnownRanges>)ranges) as (IReadOnlyList<KnownBest>, IReadOnlyList<KnownRanges>)?;

            IEnumerable<StretchRange> LineRanges(LineDemand demand, Trial trial)
            {
                foreach (var (key, from, to) in Stretches(demand, trial))
                {
                    var times = g.Where(r => r.Key == key && r.FromMillimetres == from && r.ToMillimetres == to && Math.Abs(r.Effort - demand.HardestEffort) <= LikeEffort && r.Run.Conflict is null)
                        .OrderByDescending(r => r.Day).ThenByDescending(r => r.FinishedAt).Take(RangeRuns).Select(r => r.Seconds).ToList();
                    if (times.Count > 0)
                    {
                        yield return new(from, to, times.Min(), times.Max(), times.Count);
                    }
                }
            }
        });
    }

    // The stretches of a line whose times are known: from the start to the first mark where that is timed, and from each mark to the next.
    private static IEnumerable<(string Key, int From, int To)> Stretches(LineDemand demand, Trial trial)
    {
        var marks = LineMarks.Expected(demand);
        for (var i = trial.StartKey is null ? 1 : 0; i < marks.Count; i++)
        {
            yield return (i == 0 ? trial.StartKey! : trial.FlyingKey, i == 0 ? 0 : marks[i - 1].Millimetres, marks[i].Millimetres);
        }
    }

    private const double LikeEffort = 5;
    private const int RangeRuns = 20;

    // Of the days before, the best of each.
    private async Task<UsualRange?> UsualAsync(Run run, CancellationToken cancel)
    {
        var headline = Core.Log.Stretches.Headline(run.ToLogged());
        var from = run.Day.AddDays(-UsualRange.Days);
        return UsualRange.Of(await db.RunStretches.Where(s => s.AthleteId == run.AthleteId && s.Key == headline.Key && s.FromMillimetres == headline.FromMillimetres && s.ToMillimetres == headline.ToMillimetres && s.Day >= from && s.Day < run.Day)
            .GroupBy(s => s.Day).Select(d => d.Min(s => s.Seconds)).ToListAsync(cancel));
    }

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
            found.Add(new(best.Run.Athlete!, logged, RunMeaning.Against(logged, await shelf.BestBeforeAsync(best.Run.AthleteId, best.Run.Id, () => BestBeforeAsync(best.Run, earlierDaysOnly: true, cancel))))
            {
                Others = [.. group.Where(r => r.Id != best.Run.Id).Select(r => r.ToLogged()).Where(r => RunMeaning.SameButSide(r, logged)).Select(r => RunMeaning.Against(r, null)).Where(m => m.Label == best.Meaning.Label).Select(m => m.Seconds)],
                Usual = await UsualAsync(best.Run, cancel),
            });
        }

        return [.. found.OrderByDescending(f => f.Meaning.IsNewBest).ThenByDescending(f => f.Meaning.ShareOfBest ?? 0)];
    }
}
