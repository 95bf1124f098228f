using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Data.Files;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Athletes;

/// <summary>What is kept of one athlete: fetched as a file, or erased for good.</summary>
public sealed class DataModel(RosterBook roster, ClubJson json, AthleteEraser eraser, CurveShelf curves, LiveShelf live) : PageModel
{
    public Athlete? Athlete { get; private set; }

    public IReadOnlyDictionary<string, int> Rows { get; private set; } = new Dictionary<string, int>();

    public string Name { get; private set; } = "";

    /// <summary>What stays after erasing; null before.</summary>
    public Erased? Erased { get; private set; }

    public string? Wrong { get; private set; }

    public async Task<IActionResult> OnGetAsync(int id) => await FindAsync(id) ? Page() : NotFound();

    public async Task<IActionResult> OnGetFileAsync(int id, CancellationToken cancel)
    {
        if (!await FindAsync(id))
        {
            return NotFound();
        }

        var whole = new MemoryStream();
        await json.WriteAthleteAsync(id, whole, cancel);
        whole.Position = 0;
        return File(whole, "application/json", FileNames.Of(Name) + ".json");
    }

    public async Task<IActionResult> OnPostEraseAsync(int id, string? typed)
    {
        if (!User.IsInRole(Roles.Owner))
        {
            return Forbid();
        }

        if (!await FindAsync(id))
        {
            return NotFound();
        }

        if (!string.Equals(typed?.Trim(), Name, StringComparison.Ordinal))
        {
            Wrong = $"Type the name as it stands here: {Name}.";
            return Page();
        }

        live.Block();
        try
        {
            Erased = await eraser.EraseAsync(id);
        }
        finally
        {
            live.Release();
        }

        curves.ForgetAll();
        HttpContext.Items[DeedFilter.Done] = true;
        return Page();
    }

    private async Task<bool> FindAsync(int id)
    {
        Athlete = await roster.FindAsync(id);
        if (Athlete is null)
        {
            return false;
        }

        Name = Athlete.Name;
        Rows = await eraser.CountAsync(id);
        return true;
    }
}
