using InchBurst.Core.Catalogue;
using InchBurst.Core.Live;
using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Drawing;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Drills;

public sealed class ViewModel(ExerciseCatalogue catalogue, CatalogueBook book, SessionBook sessions, BuilderMaker maker, Desk desk) : PageModel
{
    public Exercise Exercise { get; private set; } = null!;

    public LadderDrawing? Ladder { get; private set; }

    /// <summary>Its positions with the coaching points on the body; null where none shows it.</summary>
    public MovementRow? Row { get; private set; }

    public IReadOnlyList<TrainingSession> Sessions { get; private set; } = [];

    public async Task<IActionResult> OnGetAsync(string name)
    {
        if (catalogue.Find(name) is not { } exercise)
        {
            return NotFound();
        }

        Exercise = exercise;
        Row = MovementRow.Of(exercise);
        var ladder = catalogue.Ladder(exercise);
        Ladder = ladder.Count > 1 ? LadderDrawing.Draw(ladder, exercise.Name, 1100) : null;
        Sessions = [.. (await sessions.ListAsync(desk.Today, desk.Today.AddDays(60))).Where(s => s.State != SessionState.Ended).OrderBy(s => s.Day)];
        return Page();
    }

    /// <summary>The picture it is known by; kept by the browser, since its address changes with the program.</summary>
    public IActionResult OnGetPicture(string name)
    {
        if (catalogue.Find(name) is not { } exercise || DrillPicture.Known(exercise) is not { } picture)
        {
            return NotFound();
        }

        Response.Headers.CacheControl = "private, max-age=604800";
        return Content(FigureSvg.Document(picture, FigureDrawing.Paper), "image/svg+xml");
    }

    /// <summary>Its movement in frames; fetched only when somebody wants to see it move.</summary>
    public IActionResult OnGetMoving(string name) => catalogue.Find(name) is { } exercise && MovingFigure.Of(exercise) is { } moving ? Content(moving, "image/svg+xml") : NotFound();

    public async Task<IActionResult> OnPostAddAsync(string name, int session)
    {
        if (catalogue.Find(name) is not { } exercise || await sessions.FindAsync(session) is not { } planned
            || ShorthandLine.Read($"{exercise.Name} {exercise.Dose}{(exercise.EachSide ? " each side" : "")}", await maker.ContextAsync()).Line is not { } line)
        {
            return NotFound();
        }

        var changed = await sessions.ChangeAsync(planned, planned.Plan.Add(line, exercise.Family), "added " + exercise.Name, desk.Who);
        return Redirect($"/Sessions/{session}?line={changed.Plan.Lines.Last().Id}");
    }

    public async Task<IActionResult> OnPostHideAsync(string? name)
    {
        if (catalogue.Find(name) is not { } known)
        {
            return NotFound();
        }

        await book.HideAsync(known.Name, true);
        return Redirect("/Drills");
    }
}
