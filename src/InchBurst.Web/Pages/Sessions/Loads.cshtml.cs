using InchBurst.Core.Plan;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Sessions;

/// <summary>The load sheet of a line, to be printed.</summary>
public sealed class LoadsModel(SessionBook sessions, SheetMaker sheets, Desk desk) : PageModel
{
    public TrainingSession Session { get; private set; } = null!;

    public PlanLine Line { get; private set; } = null!;

    public SquadSheet Sheet { get; private set; } = null!;

    public Club Club { get; private set; } = null!;

    public async Task<IActionResult> OnGetAsync(int id, int line)
    {
        if (await sessions.FindAsync(id) is not { } planned || planned.Plan.Line(line) is not { } found)
        {
            return NotFound();
        }

        (Session, Line, Club) = (planned.Session, found, await desk.ClubAsync());
        Sheet = await sheets.MakeAsync(Session, Line);
        return Page();
    }
}
