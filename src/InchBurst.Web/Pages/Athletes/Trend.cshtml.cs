using InchBurst.Core.Log;
using InchBurst.Core.Progress;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Drawing;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Athletes;

/// <summary>How one thing of an athlete came along: a sprint, a turn, a jump, a throw, a lift; whether that is real, left against right, and what is lost within a session.</summary>
public sealed class TrendModel(RosterBook roster, TrendMaker maker, Desk desk) : PageModel
{
    private const int ShownDays = 12;

    public Athlete Athlete { get; private set; } = null!;

    public Club Club { get; private set; } = null!;

    public IReadOnlyList<TrendSubject> Subjects { get; private set; } = [];

    public TrendSubject? Of { get; private set; }

    public TrendView? View { get; private set; }

    public TrendPlot? Plot { get; private set; }

    public TrendPlot? PlotNarrow { get; private set; }

    public Adjusts Without { get; private set; }

    /// <summary>True when two years are shown and not the season.</summary>
    public bool Long { get; private set; }

    /// <summary>The latest days with what they held, the latest first.</summary>
    public IReadOnlyList<(DateOnly Day, IReadOnlyList<Attempt> Attempts)> LastDays { get; private set; } = [];

    public async Task<IActionResult> OnGetAsync(int id, string? of, int without = 0, bool @long = false)
    {
        if (await roster.FindAsync(id) is not { } athlete)
        {
            return NotFound();
        }

        (Athlete, Club, Without, Long) = (athlete, await desk.ClubAsync(), (Adjusts)without & (Adjusts.Air | Adjusts.Reaction), @long);
        var from = desk.Today.AddDays(Long ? -2 * 365 : -7 * SeasonModel.Weeks);
        Subjects = await maker.SubjectsAsync(id, from);
        Of = Subjects.FirstOrDefault(s => s.Code == of) ?? (string.IsNullOrEmpty(of) ? Subjects.FirstOrDefault() : null);
        View = Of is null ? null : await maker.MakeAsync(athlete, Of, from, Without);
        if (View is not null)
        {
            Plot = TrendPlot.Draw(View.Lines, from, desk.Today, View.Scale, 820, 360);
            PlotNarrow = TrendPlot.Draw(View.Lines, from, desk.Today, View.Scale, 358, 300);
            LastDays = [.. View.Lines.SelectMany(l => l.Of.Attempts).GroupBy(a => a.Day).OrderByDescending(g => g.Key).Take(ShownDays).Select(g => (g.Key, (IReadOnlyList<Attempt>)[.. g]))];
        }

        return Page();
    }

    /// <summary>The address with one thing other.</summary>
    public string With(Adjusts? without = null, bool? @long = null) =>
        TrendSubject.Link(Athlete.Id, Of!.Code) + ((without ?? Without) is var w && w != Adjusts.None ? $"&without={(int)w}" : "") + ((@long ?? Long) ? "&long=true" : "");

    /// <summary>A figure as it is read, without its unit.</summary>
    public string Text(double value) => Of!.IsTime ? Figures.Split(value) : Measures.Text(new(Of.Kind, value), Club.DistanceUnit, Club.MassUnit).Split(' ')[0];

    /// <summary>A difference or an error as it is read: a digit more than the figures.</summary>
    public string Fine(double value) => Figures.Exact(value / View!.Scale, Math.Max(1, 1 - (int)Math.Floor(Math.Log10(View.Whole.Step / View.Scale))));

    /// <summary>Which way is better.</summary>
    public string Better(bool better) => Of!.Kind switch
    {
        MeasureKind.Time => better ? "faster" : "slower",
        MeasureKind.HeartRate => better ? "lower" : "higher",
        MeasureKind.JumpHeight or MeasureKind.TouchHeight or MeasureKind.BoxHeight => better ? "higher" : "lower",
        MeasureKind.JumpLength or MeasureKind.ThrowDistance => better ? "farther" : "shorter",
        MeasureKind.AirTime => better ? "longer" : "shorter",
        _ => better ? "more" : "less",
    };
}
