using Htmx;
using InchBurst.Core.Plan;
using InchBurst.Data;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Sessions;

public sealed class EditModel(SessionBook sessions, BuilderMaker maker, Desk desk) : PageModel
{
    public BuilderView View { get; private set; } = null!;

    public bool SettingsOpen { get; private set; }

    [BindProperty]
    public SessionInput Input { get; set; } = new();

    public async Task<IActionResult> OnGetAsync(int id, int? line)
    {
        if (await sessions.FindAsync(id) is not { } planned)
        {
            return NotFound();
        }

        return await WholeAsync(planned, await maker.MakeAsync(planned, line));
    }

    public Task<IActionResult> OnGetBuilderAsync(int id, int? line) => OnPlanAsync(id, p => maker.MakeAsync(p, line));

    public async Task<IActionResult> OnGetReadsAsync(int id, string? text) =>
        await sessions.FindAsync(id) is { } planned ? Partial("_Reads", await maker.ReadAsync(text ?? "", planned.Session)) : NotFound();

    public Task<IActionResult> OnPostAddAsync(int id, string? text) => OnPlanAsync(id, async planned =>
    {
        var reading = Shorthand.Read(text ?? "", await maker.ContextAsync());
        if (reading.Line is not { } line)
        {
            return await maker.MakeAsync(planned, null, new(text ?? "", reading.Problem));
        }

        if (planned.Plan.Lines.Count() >= PlanEdits.MostLines)
        {
            return await maker.MakeAsync(planned, null, new(text ?? "", new(0, 0, $"A session holds {PlanEdits.MostLines} lines.")));
        }

        return await maker.MakeAsync(await KeepAsync(planned, planned.Plan.Add(line, maker.FamilyOf(line)), "added"), null);
    });

    public Task<IActionResult> OnPostReplaceAsync(int id, int line, string? text) => OnPlanAsync(id, async planned =>
    {
        var reading = Shorthand.Read(text ?? "", await maker.ContextAsync());
        return reading.Line is { } read
            ? await maker.MakeAsync(await KeepAsync(planned, planned.Plan.Replace(line, read, maker.FamilyOf(read)), "changed"), null)
            : await maker.MakeAsync(planned, line, edited: new(text ?? "", reading.Problem));
    });

    public Task<IActionResult> OnPostMoveAsync(int id, int line, int steps) => OnPlanAsync(id, async planned =>
        await maker.MakeAsync(await KeepAsync(planned, planned.Plan.Move(line, Math.Sign(steps)), "moved"), line));

    public Task<IActionResult> OnPostPlaceAsync(int id, int block, int place) => OnPlanAsync(id, async planned =>
        await maker.MakeAsync(await KeepAsync(planned, planned.Plan.MoveBlock(block, place), "moved"), null));

    public Task<IActionResult> OnPostCopyAsync(int id, int line) => OnPlanAsync(id, async planned =>
        await maker.MakeAsync(await KeepAsync(planned, planned.Plan.Copy(line), "copied"), line));

    public Task<IActionResult> OnPostRemoveAsync(int id, int line) => OnPlanAsync(id, async planned =>
    {
        var gone = planned.Plan.Line(line);
        return gone is null
            ? await maker.MakeAsync(planned, null)
            : await maker.MakeAsync(await KeepAsync(planned, planned.Plan.Remove(line), "removed"), null, toast: $"Removed “{ShorthandPrinter.Print(gone)}”.");
    });

    public Task<IActionResult> OnPostUndoAsync(int id) => OnPlanAsync(id, async planned => await maker.MakeAsync(await sessions.StepAsync(planned, -1), null));

    public Task<IActionResult> OnPostRedoAsync(int id) => OnPlanAsync(id, async planned => await maker.MakeAsync(await sessions.StepAsync(planned, 1), null));

    public async Task<IActionResult> OnPostSettingsAsync(int id)
    {
        if (await sessions.FindAsync(id) is not { } planned)
        {
            return NotFound();
        }

        if (!ModelState.IsValid || (await desk.SquadsAsync()).All(s => s.Id != Input.SquadId))
        {
            SettingsOpen = true;
            View = await maker.MakeAsync(planned, null);
            return Page();
        }

        Input.Into(planned.Session, (await desk.ClubAsync()).DistanceUnit);
        await sessions.SaveAsync(planned.Session);
        return Redirect($"/Sessions/{id}");
    }

    public async Task<IActionResult> OnPostDeleteAsync(int id)
    {
        if (await sessions.FindAsync(id) is not { } planned)
        {
            return NotFound();
        }

        await sessions.DeleteAsync(planned.Session);
        return Redirect($"/Sessions?removed={id}");
    }

    private Task<PlannedSession> KeepAsync(PlannedSession planned, SessionPlan plan, string what) => sessions.ChangeAsync(planned, plan, what, desk.Who);

    private async Task<IActionResult> OnPlanAsync(int id, Func<PlannedSession, Task<BuilderView>> act)
    {
        if (await sessions.FindAsync(id) is not { } planned)
        {
            return NotFound();
        }

        var view = await act(planned);
        return Request.IsHtmx() ? Partial("_Builder", view) : await WholeAsync(view.Planned, view);
    }

    private async Task<IActionResult> WholeAsync(PlannedSession planned, BuilderView view)
    {
        View = view;
        Input = SessionInput.From(planned.Session, (await desk.ClubAsync()).DistanceUnit);
        ModelState.Clear();
        return Page();
    }
}
