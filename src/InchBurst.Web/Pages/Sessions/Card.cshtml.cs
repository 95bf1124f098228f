using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;
using InchBurst.Core.Rest;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Sessions;

/// <summary>The session as an athlete reads it on a phone: own lines only, and why each is done.</summary>
public sealed class CardModel(SessionBook sessions, BuilderMaker maker, ExerciseCatalogue catalogue) : PageModel
{
    public BuilderView View { get; private set; } = null!;

    public Athlete? Athlete { get; private set; }

    public IReadOnlyList<(PlanLine Line, int Rounds)> Lines { get; private set; } = [];

    public Exercise? ExerciseOf(PlanLine line) => catalogue.Find(line.Exercise);

    public string? RestOf(PlanLine line) => line.TotalReps > 1 && View.DemandOf(line) is { Queues: true } demand && RestRules.Between(demand, View.School).Seconds is > 0 and var seconds ? Figures.Clock(seconds) : null;

    public async Task<IActionResult> OnGetAsync(int id, int? athlete)
    {
        if (await sessions.FindAsync(id) is not { } planned)
        {
            return NotFound();
        }

        View = await maker.MakeAsync(planned);
        Athlete = View.Athletes.FirstOrDefault(a => a.Id == athlete);
        Lines = [.. planned.Plan.Blocks.SelectMany(b => b.Lines.Select(l => (l, b.Rounds))).Where(x => Athlete is null || View.IsFor(x.l, Athlete))];
        return Page();
    }
}
