using InchBurst.Data;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Season;

/// <summary>The week on one page, for the wall, and as a card for athletes.</summary>
public sealed class PrintModel(WeekViewMaker maker, Desk desk) : PageModel
{
    public WeekView? View { get; private set; }

    public bool IsCard { get; private set; }

    public async Task<IActionResult> OnGetAsync(DateOnly? week, string? group, bool card = false)
    {
        if (await desk.SquadAsync() is not { } squad)
        {
            return Redirect("/Athletes");
        }

        var monday = WeekBook.MondayOf(week is { } w && Math.Abs(w.DayNumber - desk.Today.DayNumber) < 15000 ? w : desk.Today);
        (View, IsCard) = (await maker.MakeAsync(squad, monday, null, group), card);
        return Page();
    }
}
