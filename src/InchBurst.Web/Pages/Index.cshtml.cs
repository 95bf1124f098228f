using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Drawing;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages;

public sealed record DayResult(Athlete Athlete, RunMeaning Meaning, bool ByHand);

public sealed class IndexModel(Desk desk, SquadBook squads, SessionBook sessions, ResultsBook results, BuilderMaker maker) : PageModel
{
    public Club Club { get; private set; } = new();

    public Squad? Squad { get; private set; }

    public TrainingSession? Session { get; private set; }

    public double Seconds { get; private set; }

    public SessionStrip? Strip { get; private set; }

    public IReadOnlyList<AthleteRow> Rows { get; private set; } = [];

    public IReadOnlyList<AthleteRow> Due { get; private set; } = [];

    public DateOnly? LastDay { get; private set; }

    public IReadOnlyList<DayResult> Results { get; private set; } = [];

    public async Task OnGetAsync()
    {
        Club = await desk.ClubAsync();
        Squad = await desk.SquadAsync();
        if (Squad is null)
        {
            return;
        }

        Session = await sessions.OnDayAsync(desk.Today, Squad.Id);
        if (Session is not null)
        {
            var plan = PlanJson.Read(Session.PlanJson);
            var (setting, _, _) = await maker.SettingAsync(Session);
            var timeline = SessionClock.Lay(plan, setting);
            Seconds = timeline.TotalSeconds;
            Strip = plan.Blocks.Count == 0 ? null : SessionStrip.Draw(plan, timeline, Session.WindowMinutes * 60, 744, 130, null);
        }

        Rows = await squads.RowsAsync(Squad.Id, desk.Today);
        Due = [.. Rows.Where(r => r.Clock.IsDue && r.Athlete.Availability == Availability.Full).OrderByDescending(r => r.Clock.DaysSince ?? int.MaxValue)];
        LastDay = await results.LastDayAsync(Squad.Id);
        if (LastDay is { } day)
        {
            Results = [.. (await results.BestOfDayAsync(Squad.Id, day)).Select(r => new DayResult(r.Athlete, r.Meaning, r.Run.Method == TimingMethod.Hand))];
        }
    }

    public IActionResult OnPostSquad(int squad, string? back)
    {
        desk.ChooseSquad(squad);

        // A page about one session or athlete belongs to its own squad, so another squad leads to the list.
        var target = back ?? "/";
        return LocalRedirect(!Url.IsLocalUrl(target) ? "/" : target.StartsWith("/Sessions", StringComparison.Ordinal) ? "/Sessions" : target.StartsWith("/Athletes", StringComparison.Ordinal) ? "/Athletes" : target);
    }
}
