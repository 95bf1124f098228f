using InchBurst.Core.Make;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Loads;

/// <summary>Plans a load test for the squad in view.</summary>
public sealed class TestModel(SessionBook sessions, Desk desk) : PageModel
{
    public IActionResult OnGet() => Redirect("/Loads");

    public async Task<IActionResult> OnPostPlanAsync(Surface surface, string? sled)
    {
        if (await desk.SquadAsync() is not { } squad)
        {
            return Redirect("/Loads");
        }

        var session = await sessions.CreateAsync(new TrainingSession { Name = "Load test", Day = desk.Today.AddDays(1), SquadId = squad.Id, Lanes = 2, WindowMinutes = 75, StraightMetres = 60, RunOutMetres = 20, Surface = surface, Sled = sled ?? "" }, LoadTestLines.Session(), desk.Who);
        return Redirect($"/Sessions/{session.Id}");
    }
}
