using InchBurst.Data;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Sessions;

/// <summary>The session as an athlete reads it on a phone: own lines only, and why each is done.</summary>
public sealed class CardModel(SessionBook sessions, CardMaker cards) : PageModel
{
    public SessionCard Card { get; private set; } = null!;

    public async Task<IActionResult> OnGetAsync(int id, int? athlete)
    {
        if (await sessions.FindAsync(id) is not { } planned)
        {
            return NotFound();
        }

        Card = await cards.MakeAsync(planned, athlete);
        return Page();
    }
}
