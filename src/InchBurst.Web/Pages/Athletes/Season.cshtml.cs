using InchBurst.Core.Log;
using InchBurst.Core.Progress;
using InchBurst.Core.Rest;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Drawing;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Athletes;

/// <summary>A measure with its drawing and what changed.</summary>
public sealed record MeasureRow(MeasuredSeason Of, SeasonRow Drawing, SeasonChange? Change)
{
    /// <summary>True when a change in this direction is what training wants.</summary>
    public bool IsBetter => Change is { } c && (Measures.Of(Of.Kind).LessIsBetter ? c.Change < 0 : c.Change > 0);
}

/// <summary>An athlete's season besides times: jumps, throws, lifts, heart rates, and what was seen.</summary>
public sealed class SeasonModel(RosterBook roster, SquadBook squads, SeasonOfOne season, Desk desk) : PageModel
{
    /// <summary>Weeks shown.</summary>
    public const int Weeks = 17;

    public const double PerWeek = 30.6;

    private const int MostRows = 10;

    public Athlete Athlete { get; private set; } = null!;

    public Club Club { get; private set; } = null!;

    public IReadOnlyList<MeasureRow> Measured { get; private set; } = [];

    public IReadOnlyList<BestList> Lists { get; private set; } = [];

    private ILookup<(string Key, int From, int To), (DateOnly Day, double Seconds)>? trends;

    /// <summary>How a best came about over the season, or null with too few days.</summary>
    public TrendLine? Trend(TrialBest best) => TrendLine.Draw([.. trends![((best.IsFlying ? best.Trial.FlyingKey : best.Trial.StartKey) ?? "", best.FromMillimetres, best.To.Millimetres)]], From, desk.Today);

    /// <summary>How soon the athlete recovers between sprints, or why that cannot be told.</summary>
    public (OwnRecovery? Own, string? Reason) Recovery { get; private set; }

    /// <summary>A usual sprint and how often it is run in a set: what the estimate is told for.</summary>
    public const double SprintSeconds = 4;

    public const int SprintReps = 6;

    public static IReadOnlyList<int> Rests { get; } = [20, 40, 60, 90, 120, 180];

    public IReadOnlyList<SeenSeason> Seen { get; private set; } = [];

    public DateOnly From => desk.Today.AddDays(-7 * Weeks);

    public static double Width => Weeks * PerWeek;

    /// <summary>The first of each month within the season.</summary>
    public IReadOnlyList<DateOnly> Months => [.. Enumerable.Range(0, 7 * Weeks + 1).Select(d => From.AddDays(d)).Where(d => d.Day == 1)];

    /// <summary>Where a day lies, from the left edge.</summary>
    public double X(DateOnly day) => (day.DayNumber - From.DayNumber) * PerWeek / 7;

    /// <summary>A value of a measure in the club's unit, with it.</summary>
    public string Text(MeasureKind kind, double value) => Measures.Text(new(kind, value), Club.DistanceUnit, Club.MassUnit);

    /// <summary>A change of a measure in the club's unit, with its sign.</summary>
    public string Signed(MeasureKind kind, double change) => (change < 0 ? "−" : "+") + Text(kind, Math.Abs(change)).Split(' ')[0];

    public async Task<IActionResult> OnGetAsync(int id)
    {
        if (await roster.FindAsync(id) is not { } athlete)
        {
            return NotFound();
        }

        (Athlete, Club) = (athlete, await desk.ClubAsync());
        Measured = [.. (await season.MeasuredAsync(id, From)).Take(MostRows).Select(m =>
        {
            var change = SeasonChange.Of([.. m.Days.Select(d => d.Value)]);
            return new MeasureRow(m, SeasonRow.Draw(m.Days, X, change, Measures.Of(m.Kind).LessIsBetter), change);
        })];
        Seen = [.. (await season.SeenAsync(id, From)).Take(MostRows)];
        Recovery = OwnRecovery.Of(await season.RepeatsAsync(id, desk.Today.AddDays(-CompareBook.Days)));
        Lists = Bests.Lists(await squads.BestsAsync(id));
        trends = await season.TrendsAsync(id, From);
        return Page();
    }
}
