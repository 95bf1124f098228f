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
