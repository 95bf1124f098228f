using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;
using InchBurst.Core.Rest;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Web.Drawing;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Sessions;

/// <summary>The session on paper.</summary>
public sealed class SheetModel(SessionBook sessions, BuilderMaker maker) : PageModel
{
    // As wide as the paper, so that what is written in it is as large as the rest.
    private const double StripWidth = 952;
    private const double StripHeight = 150;

    public BuilderView View { get; private set; } = null!;

    public SessionStrip Strip { get; private set; } = null!;

    /// <summary>Most bodies that are drawn: a row of them on the paper.</summary>
    private const int MostDrawn = 9;

    /// <summary>Exercises of the plan that a drawn body shows, in its order; where there are too many, those with most to be said of.</summary>
    public IReadOnlyList<Exercise> Drawn
    {
        get
        {
            var all = View.Planned.Plan.Lines.Select(l => View.DemandOf(l).Exercise).OfType<Exercise>().DistinctBy(e => e.Name).Where(e => DrillPicture.Known(e) is not null).ToList();
            return [.. all.OrderByDescending(e => (e.Points.Count, e.Poses.Count)).Take(MostDrawn).OrderBy(all.IndexOf)];
        }
    }

    public string RestOf(PlanLine line) => line.TotalReps > 1 && RestRules.Between(View.DemandOf(line), View.School).Seconds is > 0 and var seconds ? Figures.Clock(seconds) : "–";

    public async Task<IActionResult> OnGetAsync(int id)
    {
        if (await sessions.FindAsync(id) is not { } planned)
        {
            return NotFound();
        }

        View = await maker.MakeAsync(planned);
        Strip = SessionStrip.Draw(planned.Plan, View.Timeline, View.WindowSeconds, StripWidth, StripHeight, null);
        return Page();
    }
}
