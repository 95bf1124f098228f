using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;
using InchBurst.Data;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Drills;

public sealed class IndexModel(ExerciseCatalogue catalogue, CatalogueBook book) : PageModel
{
    public string? Search { get; private set; }

    public WorkKind? Kind { get; private set; }

    public string? Fault { get; private set; }

    public int All => catalogue.All.Count;

    public IReadOnlyList<string> Faults { get; private set; } = [];

    public IReadOnlyList<Exercise> Found { get; private set; } = [];

    public IReadOnlyList<string> Hidden { get; private set; } = [];

    public async Task OnGetAsync(string? q, WorkKind? kind, string? fault)
    {
        Look(q, kind, fault);
        Faults = [.. catalogue.All.SelectMany(e => e.Faults).Distinct(StringComparer.OrdinalIgnoreCase).Order(StringComparer.OrdinalIgnoreCase)];
        Hidden = await book.HiddenAsync();
    }

    public IActionResult OnGetList(string? q, WorkKind? kind, string? fault)
    {
        Look(q, kind, fault);
        return Partial("_DrillList", this);
    }

    public async Task<IActionResult> OnPostShowAsync(string name)
    {
        await book.HideAsync(name, false);
        return Redirect("/Drills");
    }

    private void Look(string? q, WorkKind? kind, string? fault)
    {
        (Search, Kind, Fault) = (q?.Trim(), kind, fault);
        Found = catalogue.Search(Search, kind, fault);
    }
}
