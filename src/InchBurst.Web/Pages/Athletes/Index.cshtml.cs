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

    /// <summary>What is wrong with a pasted list, and the list as it was typed.</summary>
    public (string Problem, string Typed)? List { get; private set; }

    /// <summary>Who was added together last, to be taken back.</summary>
    public IReadOnlyList<int> AddedIds { get; private set; } = [];

    public string AddedText { get; private set; } = "";

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

    public async Task<IActionResult> OnPostAddManyAsync(int squad, string? names)
    {
        if ((await desk.SquadsAsync()).All(s => s.Id != squad))
        {
            await OnGetAsync();
            List = ("That squad is not there any more; choose one and send again.", names ?? "");
            return Page();
        }

        var (added, known, tooLong) = await roster.AddManyAsync(squad, names);
        await OnGetAsync();
        if (added.Count == 0)
        {
            List = (tooLong is not null ? $"“{tooLong}” is longer than 80 characters; nobody was added." : known > 0 ? "The squad has all of these already." : "Type or paste at least one name.", names ?? "");
            return Page();
        }

        AddedIds = [.. added.Select(a => a.Id)];
        AddedText = $"{added.Count} {(added.Count == 1 ? "athlete" : "athletes")} added{(known > 0 ? $"; {known} {(known == 1 ? "was" : "were")} here already" : "")}.";
        return Page();
    }

    /// <summary>Takes back who was added together; whoever has been run with meanwhile is kept under Retired.</summary>
    public async Task<IActionResult> OnPostTakeBackAsync(int[] ids)
    {
        foreach (var id in ids.Take(200))
        {
            await roster.RetireAsync(id, true);
        }

        return Redirect("/Athletes");
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
