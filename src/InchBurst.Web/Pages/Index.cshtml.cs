using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.Log;
using InchBurst.Core.Make;
using InchBurst.Core.Plan;
using InchBurst.Core.Progress;
using InchBurst.Core.Season;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Drawing;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages;

/// <summary>A top-speed clock as it is drawn, with its reason.</summary>
public sealed record ClockLine(AthleteRow Row, ClockRow Drawing, string Reason);

public sealed record DayResult(Athlete Athlete, RunMeaning Meaning, TimingMethod Method, IReadOnlyList<double> Others, UsualRange? Usual);

public sealed class IndexModel(Desk desk, SquadBook squads, SessionBook sessions, ResultsBook results, BuilderMaker maker, WeekViewMaker weeks) : PageModel
{
    public Club Club { get; private set; } = new();

    public Squad? Squad { get; private set; }

    public TrainingSession? Session { get; private set; }

    public double Seconds { get; private set; }

    public SessionStrip? Strip { get; private set; }

    public SessionStrip? StripNarrow { get; private set; }

    /// <summary>What an athlete is called in a narrow column.</summary>
    public string Short(string name) => ShortNames.Of(Results.Select(r => r.Athlete.Name)).TryGetValue(name, out var cut) && Results.Count(r => r.Athlete.Name.Split(' ')[0] == name.Split(' ')[0]) > 1 ? cut : name.Split(' ')[0];

    public IReadOnlyList<AthleteRow> Rows { get; private set; } = [];

    /// <summary>Everybody's top-speed clock: due first, then held, then the rest.</summary>
    public IReadOnlyList<ClockLine> Clocks { get; private set; } = [];

    /// <summary>Ways to fit what is planned into its time; none while it fits.</summary>
    public IReadOnlyList<FitOffer> Offers { get; private set; } = [];

    /// <summary>The squad's week, for the ribbon at the foot.</summary>
    public WeekView? Week { get; private set; }

    /// <summary>The next match, if one is near.</summary>
    public CalendarEntry? NextMatch => Week?.Board.Entries.FirstOrDefault(e => e.Kind == EntryKind.Match && e.Day >= desk.Today);

    public DateOnly Today => desk.Today;

    public DayColumns? Columns { get; private set; }

    public int Due => Clocks.Count(c => c.Row.Clock.IsDue && c.Row.Athlete.Availability == Availability.Full);

    public IReadOnlyList<AthleteRow> Held => [.. Rows.Where(r => r.Athlete.Availability != Availability.Full).OrderByDescending(r => r.Athlete.Availability)];

    public DateOnly? LastDay { get; private set; }

    public IReadOnlyList<DayResult> Results { get; private set; } = [];

    public string LastSession { get; private set; } = "";

    public const double ColumnsWidth = 796;

    private const int MostOffers = 3;

    // What the clock says of an athlete, and why.
    private static string Reason(AthleteRow row, IReadOnlyList<(DateOnly Day, double Share)> flying) => row.Athlete.Availability switch
    {
        Availability.Out => "clock waits, out",
        Availability.Modified => "held" + Last(flying),
        _ when row.Clock.Last is null => "nothing flying timed yet",
        _ when row.Clock.IsByWord => $"match {row.Clock.Last.Value.ToString("ddd d", System.Globalization.CultureInfo.InvariantCulture)}, your word",
        _ when row.Clock.IsDue && flying.Count > 0 && flying[^1].Share < TopSpeedClock.UsualShare => Last(flying)[2..] + ": just short",
        _ when flying.Count > 0 => Last(flying)[2..],
        _ => "last " + Desk.ShortDay(row.Clock.Last.Value),
    };

    private static string Last(IReadOnlyList<(DateOnly Day, double Share)> flying) =>
        flying.Count == 0 ? "" : $", {flying[^1].Day.ToString("ddd", System.Globalization.CultureInfo.InvariantCulture)} {Figures.Exact(flying[^1].Share * 100, 1)}%";

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
            Offers = Session.State == SessionState.Planned && Seconds - (Session.WindowMinutes * 60) > Limits.OverrunSeconds ? [.. FitOffers.For(plan, setting, Session.WindowMinutes * 60).Take(MostOffers)] : [];
            Strip = plan.Blocks.Count == 0 ? null : SessionStrip.Draw(plan, timeline, Session.WindowMinutes * 60, 744, 130, null);
            StripNarrow = plan.Blocks.Count == 0 ? null : SessionStrip.Draw(plan, timeline, Session.WindowMinutes * 60, 358, 110, null);
        }

        Rows = await squads.RowsAsync(Squad.Id, desk.Today);
        var flying = await squads.FlyingDaysAsync(Squad.Id, desk.Today.AddDays(-ClockRow.Back));
        Clocks =
        [
            .. Rows.OrderBy(r => r.Athlete.Availability == Availability.Out ? 2 : r.Athlete.Availability == Availability.Modified ? 1 : r.Clock.IsDue ? 0 : 3).ThenByDescending(r => r.Clock.DaysSince ?? int.MaxValue).ThenBy(r => r.Athlete.Name, StringComparer.CurrentCulture)
                .Select(r => new ClockLine(r, ClockRow.Draw(r.Clock, flying[r.Athlete.Id].Where(f => f.Share >= TopSpeedClock.UsualShare).Select(f => f.Day), desk.Today), Reason(r, [.. flying[r.Athlete.Id]]))),
        ];
        Week = User.IsInRole(Roles.Owner) || User.IsInRole(Roles.Coach) ? await weeks.MakeAsync(Squad, WeekBook.MondayOf(desk.Today)) : null;
        LastDay = await results.LastDayAsync(Squad.Id);
        if (LastDay is { } day)
        {
            LastSession = (await sessions.OnDayAsync(day, Squad.Id))?.Name ?? "";
            Results = [.. (await results.BestOfDayAsync(Squad.Id, day)).Select(r => new DayResult(r.Athlete, r.Meaning, r.Run.Method, r.Others, r.Usual))];
            Columns = DayColumns.Draw([.. Results.Select(r => new DayOfOne(r.Meaning.Seconds, r.Meaning.BestSeconds, r.Others, r.Usual))], ColumnsWidth);
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
