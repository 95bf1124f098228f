using InchBurst.Core.Catalogue;
using InchBurst.Core.Movement;
using InchBurst.Core.Plan;
using InchBurst.Data;
using InchBurst.Web.Drawing;
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

    /// <summary>Address of the picture an exercise is known by; another one with every program and whenever what is drawn changes.</summary>
    public static string PictureOf(Exercise exercise) => $"/Drills/{Uri.EscapeDataString(exercise.Name)}?handler=Picture&v={Program}{Uri.EscapeDataString($"{exercise.Kind}{exercise.Poses[0]}{exercise.Props.Count}")}";

    /// <summary>Address of the picture of a position.</summary>
    /// <param name="pose">Its name, or a row of a coach's own.</param>
    public static string PoseOf(string pose) => $"/Drills?handler=Pose&name={Uri.EscapeDataString(pose)}&v={Program}";

    /// <summary>The picture of a position; kept by the browser, since its address changes with the program.</summary>
    public IActionResult OnGetPose(string? name)
    {
        if (PoseBook.Any(name ?? "") is not { } pose)
        {
            return NotFound();
        }

        Response.Headers.CacheControl = "private, max-age=604800";
        return Content(FigureSvg.Document(DrillPicture.Of([pose], [], WorkKind.Drill, DrillPicture.KnownStature), FigureDrawing.Paper), "image/svg+xml");
    }

    private static readonly string Program = typeof(IndexModel).Module.ModuleVersionId.ToString("N")[..8];

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

    /// <summary>Exercises of a kind with ladders from easy to hard; what was searched stays in the order it was found.</summary>
    public IReadOnlyList<(Exercise Exercise, bool LeadsOn)> InSteps(IEnumerable<Exercise> found) => string.IsNullOrEmpty(Search) ? catalogue.InSteps(found) : [.. found.Select(e => (e, false))];

    private void Look(string? q, WorkKind? kind, string? fault)
    {
        (Search, Kind, Fault) = (q?.Trim(), kind, fault);
        Found = catalogue.Search(Search, kind, fault);
    }
}
