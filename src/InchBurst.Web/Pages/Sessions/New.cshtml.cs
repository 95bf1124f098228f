using InchBurst.Core.Plan;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Sessions;

public sealed class NewModel(SessionBook sessions, Desk desk) : PageModel
{
    [BindProperty]
    public SessionInput Input { get; set; } = new();

    public async Task<IActionResult> OnGetAsync(DateOnly? day)
    {
        if (await desk.SquadAsync() is not { } squad)
        {
            return Redirect("/Athletes");
        }

        // A squad trains in the same place more often than not, so the last session's circumstances are the first guess.
        var unit = (await desk.ClubAsync()).DistanceUnit;
        var on = day ?? desk.Today;
        var last = await sessions.LastOfAsync(squad.Id) ?? new TrainingSession();
        Input = SessionInput.From(last, unit);
        Input.Name = $"{on.DayOfWeek} session";
        Input.Day = on;
        Input.SquadId = squad.Id;
        Input.Cue = "";
        return Page();
    }

    public async Task<IActionResult> OnPostAsync()
    {
        if (!ModelState.IsValid || (await desk.SquadsAsync()).All(s => s.Id != Input.SquadId))
        {
            return Page();
        }

        var session = new TrainingSession();
        Input.Into(session, (await desk.ClubAsync()).DistanceUnit);
        await sessions.CreateAsync(session, SessionPlan.Empty, desk.Who);
        return Redirect($"/Sessions/{session.Id}");
    }
}
