using InchBurst.Core.Plan;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Sessions;

public sealed class VersionsModel(SessionBook sessions, Desk desk) : PageModel
{
    public PlannedSession Planned { get; private set; } = null!;

    public IReadOnlyList<(PlanRevision Version, int Lines)> Versions { get; private set; } = [];

    public async Task<IActionResult> OnGetAsync(int id)
    {
        if (await sessions.FindAsync(id) is not { } planned)
        {
            return NotFound();
        }

        Planned = planned;
        Versions = [.. (await sessions.VersionsAsync(id)).Select(v => (v, PlanJson.Read(v.PlanJson).Lines.Count()))];
        return Page();
    }

    public async Task<IActionResult> OnPostAsync(int id, int number)
    {
        if (await sessions.FindAsync(id) is not { } planned || (await sessions.VersionsAsync(id)).FirstOrDefault(v => v.Number == number) is not { } version)
        {
            return NotFound();
        }

        // Put on top as a new version, so that going back can itself be undone.
        await sessions.ChangeAsync(planned, PlanJson.Read(version.PlanJson), $"back to version {number}", desk.Who);
        return Redirect($"/Sessions/{id}");
    }
}
