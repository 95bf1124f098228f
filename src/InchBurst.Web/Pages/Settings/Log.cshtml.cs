using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Web.Pages.Settings;

/// <summary>Who changed what, and when.</summary>
[Authorize(Roles = Roles.Owner)]
public sealed class LogModel(ClubDb db, Desk desk) : PageModel
{
    private const int PerPage = 100;

    public IReadOnlyList<Deed> Deeds { get; private set; } = [];

    public IReadOnlyList<string> Names { get; private set; } = [];

    public string By { get; private set; } = "";

    /// <summary>Number before which the next page begins; null on the last one.</summary>
    public long? Before { get; private set; }

    public async Task OnGetAsync(string? by, long? before)
    {
        By = by ?? "";
        Names = await db.Deeds.Select(d => d.By).Distinct().OrderBy(n => n).ToListAsync();
        var found = await db.Deeds.AsNoTracking().Where(d => (By == "" || d.By == By) && (before == null || d.Id < before)).OrderByDescending(d => d.Id).Take(PerPage + 1).ToListAsync();
        Deeds = [.. found.Take(PerPage)];
        Before = found.Count > PerPage ? Deeds[^1].Id : null;
    }

    public string When(DateTime utc) => desk.LocalText(utc);
}
