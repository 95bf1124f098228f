using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;
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

public sealed record BestRow(string Label, BestTime? Electronic, BestTime? Hand);

public sealed class ViewModel(RosterBook roster, SquadBook squads, Desk desk) : PageModel
{
    private const int ShownAtFirst = 40;

    public Club Club { get; private set; } = new();

    public Athlete Athlete { get; private set; } = null!;

    public AthleteRow Row { get; private set; } = null!;

    public IReadOnlyList<LoggedRun> Runs { get; private set; } = [];

    public IReadOnlyList<LoggedRun> Shown { get; private set; } = [];

    public bool All { get; private set; }

    public LoggedRun? Chosen { get; private set; }

    public string RunText { get; private set; } = "";

    public SprintFitted? Fit { get; private set; }

    public SprintForces? Forces { get; private set; }

    public string? Reason { get; private set; }

    public BurstCurve? Curve { get; private set; }

    public BurstCurve? CurveNarrow { get; private set; }

    public IReadOnlyList<SegmentRow> Segments { get; private set; } = [];

    /// <summary>True when every column of the splits can be as wide as its stretch is long, so that it hangs under the drawing.</summary>
    public bool ToScale => Segments.Count > 0 && Segments.All(s => s.Segment.Metres / Segments.Sum(x => x.Segment.Metres) >= 0.11);

    public IReadOnlyList<BestRow> BestRows { get; private set; } = [];

    public async Task<IActionResult> OnGetAsync(int id, long? run, bool all = false)
    {
        if (await roster.FindAsync(id) is not { } athlete)
        {
            return NotFound();
        }

        (Athlete, Club, All) = (athlete, await desk.ClubAsync(), all);
        Row = await squads.RowAsync(athlete, desk.Today);
        Runs = [.. (await squads.RunsAsync(id)).Where(r => r.Marks.Count > 0)];
        Shown = all ? Runs : [.. Runs.Take(ShownAtFirst)];
        if (Runs.Count == 0)
        {
            return Page();
        }

        BestRows =
        [
            .. Bests.Standard.Select(d => new BestRow(d.ToString(), Bests.FromStart(Runs, d, TimingMethod.Electronic), Bests.FromStart(Runs, d, TimingMethod.Hand))),
            new("flying 10 m", Bests.Flying(Runs, Distance.InMetres(10), TimingMethod.Electronic), Bests.Flying(Runs, Distance.InMetres(10), TimingMethod.Hand)),
        ];
        Chosen = Runs.FirstOrDefault(r => r.Id == run) ?? Telling();
        Read(Chosen);
        return Page();
    }

    public string RangeText(double? error, Func<double, string> text) =>
        Fit!.Range90(error) is { } range ? $"± {text(range)} (90% range)" : "3 gates give no range";

    // The latest run that can carry a curve says most; without one, the latest run.
    private LoggedRun Telling() => Runs.Take(60).FirstOrDefault(r => r.IsFree && r.Marks.Count >= 4 && SprintFit.Fit(r.Gates, r.FitAssumptions).Fitted is not null)
        ?? Runs.Take(60).FirstOrDefault(r => r.IsFree && r.Marks.Count >= 3) ?? Runs[0];

    private void Read(LoggedRun run)
    {
        var outcome = !run.HasStart ? new FitOutcome(null, "Only the zone was timed, so nothing is known of the way to it.")
            : run.IsFree ? SprintFit.Fit(run.Gates, run.FitAssumptions)
            : new FitOutcome(null, "A loaded or helped run does not show the athlete's own curve.");
        (Fit, Reason) = (outcome.Fitted, outcome.Reason);
        if (run.HasStart)
        {
            Curve = BurstCurve.Draw(run.Gates, Fit, 772, 392, Club.SpeedUnit, Club.DistanceUnit);
            CurveNarrow = BurstCurve.Draw(run.Gates, Fit, 358, 330, Club.SpeedUnit, Club.DistanceUnit);
        }

        if (Fit is not null && Athlete is { MassKilograms: { } mass, HeightMetres: { } height })
        {
            Forces = SprintForces.From(Fit.Curve, new BodyAndAir(mass, height));
        }

        var comparable = Runs.Where(r => RunMeaning.Comparable(run, r, flying: !run.HasStart)).ToList();
        Segments = [.. run.Segments.Select((s, i) =>
        {
            double? best = null;
            foreach (var other in comparable.SelectMany(r => r.Segments))
            {
                if (Math.Abs(other.FromMetres - s.FromMetres) < 0.001 && Math.Abs(other.ToMetres - s.ToMetres) < 0.001 && !(best <= other.Seconds))
                {
                    best = other.Seconds;
                }
            }

            return new SegmentRow(s, run.Marks[run.HasStart ? i : i + 1].At.ToString(), best, best is { } b && s.Seconds <= b + 1e-9);
        })];
        var start = run.Start is { } position ? ", " + ShorthandWordsFor(position) + " start" : "";
        RunText = $"{Desk.DayText(run.Day)}{start}, marks at {string.Join(", ", run.Marks.Select(m => m.At))}{(run.Method == TimingMethod.Hand ? ", by hand" : "")}";
    }

    private static string ShorthandWordsFor(StartPosition position) => ShorthandPrinter.StartText(new(position));
}
