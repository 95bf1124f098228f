using InchBurst.Core.School;
using InchBurst.Data;
using InchBurst.Data.Entities;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Settings;

public sealed class SchoolsModel(SchoolBook schools, SquadBook squads) : PageModel
{
    public IReadOnlyList<CoachingSchool> Schools { get; private set; } = [];

    public IReadOnlySet<string> Own { get; private set; } = new HashSet<string>();

    public IReadOnlyList<Squad> Squads { get; private set; } = [];

    public async Task OnGetAsync()
    {
        Schools = await schools.AllAsync();
        Own = Schools.Skip(CoachingSchool.BuiltIn.Count).Select(s => s.Name).ToHashSet();
        Squads = await squads.SquadsAsync();
    }

    public async Task<IActionResult> OnPostCopyAsync(string name) =>
        await schools.CopyAsync(name) is { } copy ? Redirect($"/Settings/School?name={Uri.EscapeDataString(copy.Name)}") : NotFound();

    public async Task<IActionResult> OnPostSquadAsync(int squad, string name)
    {
        await schools.ChooseForSquadAsync(squad, name);
        return Redirect("/Settings/Schools");
    }
}
