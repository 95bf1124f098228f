using InchBurst.Core.Catalogue;
using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Sessions;

public sealed class IndexModel(SessionBook sessions, Desk desk, ExerciseCatalogue catalogue) : PageModel
{
    public int Weeks { get; private set; }

    public DateOnly From { get; private set; }

    public TrainingSession? Removed { get; private set; }

    public IReadOnlyList<(TrainingSession Session, LineVolume Volume)> Sessions { get; private set; } = [];

    public async Task OnGetAsync(int weeks = 8, int? removed = null)
    {
        Weeks = Math.Clamp(weeks, 1, 520);
        From = desk.Today.AddDays(-7 * Weeks);
        var list = await sessions.ListAsync(From, desk.Today.AddYears(2));
        Sessions = [.. list.Select(s => (s, Volume.Of(PlanJson.Read(s.RanPlanJson ?? s.PlanJson), DemandAthlete.UsualCurve, catalogue)))];
        Removed = removed is { } id ? await sessions.RemovedAsync(id) : null;
    }

    public async Task<IActionResult> OnPostBringBackAsync(int id) => await sessions.BringBackAsync(id) is null ? NotFound() : Redirect($"/Sessions/{id}");
}
