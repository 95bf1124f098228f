using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Core.Progress;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Drawing;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Athletes;

public sealed record SegmentRow(SplitSegment Segment, string To, double? Best, bool IsBest);

public sealed class ViewModel(RosterBook roster, SquadBook squads, ResultsBook results, ExerciseCatalogue catalogue, LiftBook lifts, CompareBook compare, Desk desk) : PageModel
{
    private const int ShownAtFirst = 40;
    private const int MostShown = 2000;

    public Club Club { get; private set; } = new();

    public Athlete Athlete { get; private set; } = null!;

    public AthleteRow Row { get; private set; } = null!;

    public int RunCount { get; private set; }

    public IReadOnlyList<LoggedRun> Shown { get; private set; } = [];

    /// <summary>The curve that stands for the athlete, or why there is none.</summary>
    public StandingOutcome Standing { get; private set; } = new(null, null);

    /// <summary>What was seen on the athlete, the most frequent first.</summary>
    public IReadOnlyList<SeenOften> Seen { get; private set; } = [];

    /// <summary>What was measured otherwise than by a clock, by exercise.</summary>
    public IReadOnlyList<MeasuredOften> Measured { get; private set; } = [];

    /// <summary>Maxima that stand.</summary>
    public IReadOnlyList<(string Name, StandingMaximum Of)> Maxima { get; private set; } = [];

    public bool All { get; private set; }

    public LoggedRun? Chosen { get; private set; }

    public string RunText { get; private set; } = "";

    public SprintFitted? Fit { get; private set; }

    public SprintForces? Forces { get; private set; }

    public string? Reason { get; private set; }

    public BurstCurve? Curve { get; private set; }

    public BurstCurve? CurveNarrow { get; private set; }

    /// <summary>True when the curve lies along time.</summary>
    public bool ByTime { get; private set; }

    /// <summary>How far each gate is from the curve; null without one.</summary>
    public ResidualStrip? Misses { get; private set; }

    public ResidualStrip? MissesNarrow { get; private set; }

    /// <summary>How many runs of the day and trial can be laid together.</summary>
    public int Alike { get; private set; }

    /// <summary>True when they are.</summary>
    public bool Together { get; private set; }

    public IReadOnlyList<SegmentRow> Segments { get; private set; } = [];

    /// <summary>True when every column of the splits can be as wide as its stretch is long, so that it hangs under the drawing.</summary>
    public bool ToScale => Segments.Count > 0 && Segments.All(s => ShareOf(s) >= 0.11);

    /// <summary>A stretch as a share of the picture above it.</summary>
    public double ShareOf(SegmentRow row) => ByTime ? row.Segment.Seconds / Segments.Sum(x => x.Segment.Seconds) : row.Segment.Metres / Segments.Sum(x => x.Segment.Metres);

    public IReadOnlyList<BestList> Lists { get; private set; } = [];

    /// <summary>What is taken out of the times of the bests.</summary>
    public Adjusts Without { get; private set; }

    /// <summary>What could be taken out of any of them.</summary>
    public Adjusts Known { get; private set; }

    public Surface? OnSurface { get; private set; }

    public Shoes? InShoes { get; private set; }

    /// <summary>Surfaces and shoes there are bests of.</summary>
    public (IReadOnlyList<Surface> Surfaces, IReadOnlyList<Shoes> Shoes) Split { get; private set; } = ([], []);

    /// <summary>The address with one thing other.</summary>
    public string With(Adjusts without) => $"/Athletes/{Athlete.Id}?" + string.Join('&', new[] { $"without={(int)without}", OnSurface is { } s ? $"surface={s}" : "", InShoes is { } f ? $"shoes={f}" : "", ByTime ? "time=true" : "", Run is { } r ? $"run={r}" : "" }.Where(x => x.Length > 0)) + "#bests";

    public long? Run { get; private set; }

    public async Task<IActionResult> OnGetAsync(int id, long? run, bool all = false, bool time = false, int without = 0, Surface? surface = null, Shoes? shoes = null, bool together = false)
    {
        ByTime = time;
        (Without, OnSurface, InShoes, Run) = ((Adjusts)without & Adjusts.All, surface, shoes, run);
        if (await roster.FindAsync(id) is not { } athlete)
        {
            return NotFound();
        }

        (Athlete, Club, All) = (athlete, await desk.ClubAsync(), all);
        Row = await squads.RowAsync(athlete, desk.Today);
        RunCount = await squads.RunCountAsync(id);
        Seen = await results.SeenAsync(id, catalogue);
        Measured = await results.MeasuredAsync(id);
        Maxima = [.. (await lifts.StandingAsync([id], desk.Today)).Of(id)];
        Shown = await squads.RunsAsync(id, all ? MostShown : ShownAtFirst);
        if (Shown.Count == 0)
        {
            return Page();
        }

        var bests = await squads.BestsAsync(id);
        var told = Without == Adjusts.None ? bests : await squads.BestsAsync(id, Without);
        Known = told.SelectMany(b => b.Adjusted?.Parts ?? []).Where(p => p.IsTold).Aggregate(Without, (known, part) => known | part.What);
        Split = ([.. bests.Select(b => b.Trial.Surface).Distinct().Order()], [.. bests.Select(b => b.Trial.Shoes).Distinct().Order()]);
        Lists = Bests.Only(Bests.Lists(told), OnSurface, InShoes);
        Standing = await squads.CurveAsync(id);
        Chosen = (run is { } wanted ? await squads.RunAsync(id, wanted) : null) ?? Telling();
        Read(await TogetherAsync(Chosen, together), bests);
        return Page();
    }

    // The day's runs of the same trial as one: errors of single gates go out in the mean.
    private async Task<LoggedRun> TogetherAsync(LoggedRun run, bool together)
    {
        if (!run.HasStart || !run.ShowsOwnCurve)
        {
            return run;
        }

        var pooled = CompareSide.Of([.. (await compare.OfDayAsync(Athlete.Id, run.Day)).Where(r => r.Trial.StartKey == run.Trial.StartKey)]);
        Alike = pooled?.Pooled is null ? 0 : pooled.Marks.Max(m => m.Runs);
        Together = together && Alike > 0;
        return Together ? pooled!.Pooled! : run;
    }

    public string RangeText(double? error, Func<double, string> text) =>
        Fit!.Range90(error) is { } range ? $"± {text(range)} (90% range)" : "3 gates give no range";

    // The latest run that can carry a curve says most; without one, the latest run.
    private LoggedRun Telling() => Shown.FirstOrDefault(r => r.ShowsOwnCurve && r.Marks.Count >= 4 && r.Fit().Fitted is not null)
        ?? Shown.FirstOrDefault(r => r.ShowsOwnCurve && r.Marks.Count == 3 && r.Fit().Fitted is not null) ?? Shown.FirstOrDefault(r => r.ShowsOwnCurve && r.Marks.Count >= 3) ?? Shown[0];

    private void Read(LoggedRun run, IReadOnlyList<TrialBest> bests)
    {
        var outcome = !run.HasStart ? new FitOutcome(null, "Only the zone was timed, so nothing is known of the way to it.")
            : !run.IsFree ? new FitOutcome(null, "A loaded or helped run does not show the athlete's own curve.")
            : !run.Trial.IsStraight ? new FitOutcome(null, "A curve is of running straight on; this course turns or changes movement.")
            : !run.Trial.IsFromRest ? new FitOutcome(null, "A moving start has speed at the line already, so the curve from rest cannot be read from it.")
            : run.Fit();
        (Fit, Reason) = (outcome.Fitted, outcome.Reason);
        if (run.HasStart)
        {
            Curve = BurstCurve.Draw(run.Gates, Fit, 772, 392, Club.SpeedUnit, Club.DistanceUnit, ByTime);
            CurveNarrow = BurstCurve.Draw(run.Gates, Fit, 358, 330, Club.SpeedUnit, Club.DistanceUnit, ByTime);
            (Misses, MissesNarrow) = Fit is null ? (null, null) : (ResidualStrip.Draw(Fit, 772, Club.DistanceUnit), ResidualStrip.Draw(Fit, 358, Club.DistanceUnit));
        }

        if (Fit is not null && Athlete is { MassKilograms: { } mass, HeightMetres: { } height })
        {
            Forces = SprintForces.From(Fit.Curve, new BodyAndAir(mass, height));
        }

        Segments = [.. run.Segments.Select((s, i) =>
        {
            var (from, to) = ((int)Math.Round(s.FromMetres * 1000), (int)Math.Round(s.ToMetres * 1000));
            var best = bests.FirstOrDefault(b => b.FromMillimetres == from && b.To.Millimetres == to && (from == 0 && run.HasStart ? b.Trial.StartKey == run.Trial.StartKey : b.Trial.FlyingKey == run.Trial.FlyingKey))?.Seconds;
            return new SegmentRow(s, run.Marks[run.HasStart ? i : i + 1].At.ToString(), best, best is { } b && s.Seconds <= b + 1e-9);
        })];
        var words = run.Trial.Words;
        var course = run.Trial.IsStraight ? "" : ", " + Trial.CourseWords(run.Course);
        RunText = $"{Desk.DayText(run.Day)}{(Together ? $", mean of {Alike} runs" : "")}{course}{(words.Length > 0 ? ", " + words : "")}, marks at {string.Join(", ", run.Marks.Select(m => m.At))}";
    }
}
