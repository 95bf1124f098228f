using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Athletes;

public sealed class IndexModel(SquadBook squads, RosterBook roster, Desk desk) : PageModel
{
    public Club Club { get; private set; } = new();

    public Squad? Squad { get; private set; }

    public IReadOnlyList<Squad> Squads { get; private set; } = [];

    public IReadOnlyList<AthleteRow> Rows { get; private set; } = [];

    public IReadOnlyList<Athlete> Retired { get; private set; } = [];

    public (int Id, string Text)? Toast { get; private set; }

    public string? SquadProblem { get; private set; }

    public string TypedSquad { get; private set; } = "";

    public async Task OnGetAsync(int? retired = null)
    {
        Club = await desk.ClubAsync();
        Squad = await desk.SquadAsync();
        Squads = await squads.SquadsAsync(retiredToo: true);
        if (Squad is null)
        {
            return;
        }

        Rows = await squads.RowsAsync(Squad.Id, desk.Today);
        Retired = [.. (await squads.AthletesAsync(Squad.Id, retiredToo: true)).Where(a => a.RetiredAt != null)];
        if (Retired.FirstOrDefault(a => a.Id == retired) is { } gone)
        {
            Toast = (gone.Id, $"{gone.Name} is retired; every run is kept.");
        }
    }

    public async Task<IActionResult> OnPostAddSquadAsync(string? name)
    {
        var (squad, problem) = await roster.AddSquadAsync(name);
        if (squad is null)
        {
            (SquadProblem, TypedSquad) = (problem, name ?? "");
            await OnGetAsync();
            return Page();
        }

        desk.ChooseSquad(squad.Id);
        return Redirect("/Athletes");
    }

    public async Task<IActionResult> OnPostRenameAsync(int id, string? name)
    {
        SquadProblem = await roster.RenameSquadAsync(id, name);
        if (SquadProblem is null)
        {
            return Redirect("/Athletes");
        }

        await OnGetAsync();
        return Page();
    }

    public async Task<IActionResult> OnPostRetireSquadAsync(int id)
    {
        await roster.RetireSquadAsync(id, true);
        return Redirect("/Athletes");
    }

    public async Task<IActionResult> OnPostReturnSquadAsync(int id)
    {
        await roster.RetireSquadAsync(id, false);
        return Redirect("/Athletes");
    }

    public async Task<IActionResult> OnPostBringBackAsync(int id)
    {
        await roster.RetireAsync(id, false);
        return Redirect("/Athletes");
    }
}
