using System.Text;
using InchBurst.Data;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Season;

/// <summary>The squad's calendar as a file.</summary>
public sealed class FeedModel(CalendarBook calendar, SessionBook sessions, TimeProvider clock, Desk desk) : PageModel
{
    public async Task<IActionResult> OnGetAsync(CancellationToken cancel) =>
        await desk.SquadAsync() is { } squad ? File(Encoding.UTF8.GetBytes(await FeedDesk.TextAsync(squad, calendar, sessions, clock, cancel)), FeedDesk.Type, "inch-burst-season.ics") : NotFound();
}
