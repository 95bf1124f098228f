using System.Text.Json;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Sessions;

public sealed class VersionsModel(SessionBook sessions, BuilderMaker maker, ExerciseCatalogue catalogue, Desk desk) : PageModel
{
    public PlannedSession Planned { get; private set; } = null!;

    public IReadOnlyList<(PlanRevision Version, int Lines)> Versions { get; private set; } = [];

    public async Task<IActionResult> OnGetAsync(int id)
    {
        if (await sessions.FindAsync(id) is not { } planned)
        {
            return NotFound();
        }

        Planned = planned;
        Versions = [.. (await sessions.VersionsAsync(id)).Select(v => (v, PlanJson.Read(v.PlanJson).Lines.Count()))];
        return Page();
    }

    /// <summary>What is wrong with the file that was chosen, or null.</summary>
    public string? Wrong { get; private set; }

    /// <summary>The plan as a file.</summary>
    public async Task<IActionResult> OnGetFileAsync(int id) => await sessions.FindAsync(id) is { } planned
        ? File(System.Text.Encoding.UTF8.GetBytes(PlanJson.Write(planned.Plan)), "application/json", $"{FileNames.Of(planned.Session.Name)}-{planned.Session.Day:yyyy-MM-dd}.json")
        : NotFound();

    /// <summary>Puts the plan of a file on top as a new version, so that it can be undone like any other change.</summary>
    public async Task<IActionResult> OnPostFileAsync(int id, IFormFile? file)
    {
        if (await sessions.FindAsync(id) is not { } planned)
        {
            return NotFound();
        }

        if (file is null || file.Length is 0 or > MostBytes)
        {
            Wrong = file is null ? "Choose a file first." : file.Length == 0 ? "The file is empty." : "The file is too large for a plan.";
            return await OnGetAsync(id);
        }

        using var reader = new StreamReader(file.OpenReadStream());
        var text = await reader.ReadToEndAsync();
        SessionPlan plan;
        try
        {
            plan = PlanJson.Read(text);
        }
        catch (Exception e) when (e is JsonException or InvalidOperationException or FormatException or ArgumentException or KeyNotFoundException or NotSupportedException)
        {
            Wrong = "This file holds no plan.";
            return await OnGetAsync(id);
        }

        // A plan that can be written down and read again as a coach's lines is one that every page can show.
        if (plan.Lines.Count() > PlanEdits.MostLines || PlanText.Read(PlanText.Print(plan, catalogue), await maker.ContextAsync()).Problems is not [])
        {
            Wrong = "The plan in this file cannot be read line by line.";
            return await OnGetAsync(id);
        }

        await sessions.ChangeAsync(planned, plan, $"read from {Path.GetFileName(file.FileName)}", desk.Who);
        return Redirect($"/Sessions/{id}");
    }

    private const long MostBytes = 1_000_000;

    public async Task<IActionResult> OnPostAsync(int id, int number)
    {
        if (await sessions.FindAsync(id) is not { } planned || (await sessions.VersionsAsync(id)).FirstOrDefault(v => v.Number == number) is not { } version)
        {
            return NotFound();
        }

        // Put on top as a new version, so that going back can itself be undone.
        await sessions.ChangeAsync(planned, PlanJson.Read(version.PlanJson), $"back to version {number}", desk.Who);
        return Redirect($"/Sessions/{id}");
    }
}
