using InchBurst.Core.Catalogue;
using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Core.Season;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Drawing;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Sessions;

/// <summary>A session of the list with its strip.</summary>
public sealed record ListedSession(TrainingSession Session, LineVolume Volume, GlanceStrip Strip);

public sealed class IndexModel(SessionBook sessions, CalendarBook calendar, Desk desk, ExerciseCatalogue catalogue) : PageModel
{
    public int Weeks { get; private set; }

    public DateOnly From { get; private set; }

    public TrainingSession? Removed { get; private set; }

    /// <summary>Weeks of sessions, the latest first, each with the matches of the squad in view.</summary>
    public IReadOnlyList<(DateOnly Monday, IReadOnlyList<ListedSession> Sessions, IReadOnlyList<CalendarEntry> Matches)> Listed { get; private set; } = [];

    public async Task OnGetAsync(int weeks = 4, int? removed = null)
    {
        Weeks = Math.Clamp(weeks, 1, 520);
        From = WeekBook.MondayOf(desk.Today).AddDays(-7 * (Weeks - 1));
        var list = await sessions.ListAsync(From, desk.Today.AddYears(2));
        var matches = await desk.SquadAsync() is { } squad ? (await calendar.EntriesAsync(squad.Id, From, desk.Today.AddDays(21))).Where(e => e.Kind == EntryKind.Match).ToList() : [];
        var all = list.Select(Listed1).ToLookup(s => WeekBook.MondayOf(s.Session.Day));
        Listed = [.. all.OrderByDescending(g => g.Key).Select(g => (g.Key, (IReadOnlyList<ListedSession>)[.. g], (IReadOnlyList<CalendarEntry>)[.. matches.Where(m => WeekBook.MondayOf(m.Day) == g.Key)]))];
        Removed = removed is { } id ? await sessions.RemovedAsync(id) : null;
    }

    public async Task<IActionResult> OnPostBringBackAsync(int id) => await sessions.BringBackAsync(id) is null ? NotFound() : Redirect($"/Sessions/{id}");

    private ListedSession Listed1(TrainingSession session)
    {
        var plan = PlanJson.Read(session.RanPlanJson ?? session.PlanJson);

        // The list is to be looked over; how many are expected is the builder's matter.
        var setting = new ClockSetting(Usual, session.Lanes, DemandAthlete.UsualCurve, catalogue, session.StartIntervalSeconds);
        return new(session, Volume.Of(plan, DemandAthlete.UsualCurve, catalogue), GlanceStrip.Draw(SessionClock.Lay(plan, setting), setting, session.WindowMinutes * 60));
    }

    private const int Usual = 8;
}
