using InchBurst.Core.Season;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Season;

public sealed class SuggestSessionModel(WeekBook weeks, SuggestMaker maker, SessionBook sessions, Desk desk) : PageModel
{
    public DateOnly Day { get; private set; }

    public WeekBoard? Board { get; private set; }

    public GroupBoard? Group { get; private set; }

    public OpenSlot Slot { get; private set; } = new(default, default, 45, "", 2, 60, 20);

    public SessionAim First { get; private set; }

    public SessionAim? Second { get; private set; }

    public IReadOnlyList<SessionOffer> Offers { get; private set; } = [];

    /// <summary>The session whose lines are suggested anew, with its plan; null when a new one is made.</summary>
    public PlannedSession? Around { get; private set; }

    /// <summary>Blocks of it that stay.</summary>
    public IReadOnlyList<int> Keep { get; private set; } = [];

    public IReadOnlyDictionary<string, string> Problems { get; private set; } = new Dictionary<string, string>();

    public async Task<IActionResult> OnGetAsync(DateOnly? day, string? group, string? aim, string? second, int? minutes, int? lanes, double? straight, int? session, int[] keep, bool chosen = false)
    {
        if (await desk.SquadAsync() is not { } squad)
        {
            return Redirect("/Athletes");
        }

        await AroundAsync(squad, session, keep, chosen);
        await LoadAsync(squad, day, group, aim, second, minutes, lanes, straight);
        return Page();
    }

    /// <summary>Takes an offer: the session is made anew from the same wish, so the page sends which one and never a plan.</summary>
    public async Task<IActionResult> OnPostAsync(DateOnly? day, string? group, string? aim, string? second, int? minutes, int? lanes, double? straight, int offer, int? session, int[] keep)
    {
        if (await desk.SquadAsync() is not { } squad)
        {
            return NotFound();
        }

        await AroundAsync(squad, session, keep, true);
        await LoadAsync(squad, day, group, aim, second, minutes, lanes, straight);
        if (Problems.Count > 0 || offer < 0 || offer >= Offers.Count)
        {
            return Page();
        }

        var chosen = Offers[offer];
        if (Around is { } around)
        {
            // One version of the plan: the builder's undo takes it back.
            await sessions.ChangeAsync(around, chosen.Plan, "suggested lines", desk.Who);
            return Redirect($"/Sessions/{around.Session.Id}");
        }

        var made = await maker.SessionAsync(squad, Group!.Key, Day, Slot, chosen.Name);
        await weeks.PutAsync(squad.Id, new Dictionary<int, DateOnly?>(), [(made, chosen.Plan)], $"{made.Name} planned for {Day.DayOfWeek}", desk.Who);
        return Redirect($"/Season?week={WeekBook.MondayOf(Day):yyyy-MM-dd}&day={Day:yyyy-MM-dd}");
    }

    private async Task AroundAsync(Squad squad, int? session, int[] keep, bool chosen)
    {
        if (session is { } id && await sessions.FindAsync(id) is { } planned && planned.Session.SquadId == squad.Id && planned.Session.State == Core.Live.SessionState.Planned)
        {
            Around = planned;

            // At first what makes the session stays.
            Keep = chosen ? [.. keep.Where(k => planned.Plan.Blocks.Any(b => b.Id == k))]
                : [.. planned.Plan.Blocks.Where(maker.IsMain).Select(b => b.Id)];
        }
    }

    private async Task LoadAsync(Squad squad, DateOnly? day, string? group, string? aim, string? second, int? minutes, int? lanes, double? straight)
    {
        day ??= Around?.Session.Day;
        group ??= Around?.Session.Group;
        Day = day is { } d && Math.Abs(d.DayNumber - desk.Today.DayNumber) < 15000 ? d : desk.Today;
        Board = await weeks.BoardAsync(squad, WeekBook.MondayOf(Day), desk.Today);
        Group = Board.Groups.FirstOrDefault(g => g.Key == (group ?? "")) ?? Board.Groups[0];
        var last = await sessions.LastOfAsync(squad.Id) ?? new TrainingSession();
        var known = Group.Week.Slots.Where(s => s.Day == Day).MaxBy(s => s.Minutes) ?? new OpenSlot(Day, new(18, 0), last.WindowMinutes, "", last.Lanes, last.StraightMetres, last.RunOutMetres);
        if (Around is { } here)
        {
            known = known with { Minutes = here.Session.WindowMinutes, Lanes = here.Session.Lanes, StraightMetres = here.Session.StraightMetres, RunOutMetres = here.Session.RunOutMetres };
        }

        var wrong = new Dictionary<string, string>();
        if (minutes is < 15 or > 240)
        {
            wrong["minutes"] = "From 15 to 240 minutes.";
        }

        if (lanes is < 1 or > 20)
        {
            wrong["lanes"] = "From 1 to 20 lanes.";
        }

        if (straight is < 10 or > 500 || straight is { } x && !double.IsFinite(x))
        {
            wrong["straight"] = "From 10 to 500 m.";
        }

        Slot = known with { Minutes = minutes ?? known.Minutes, Lanes = lanes ?? known.Lanes, StraightMetres = straight ?? known.StraightMetres };
        Problems = wrong;
        var topUp = aim == "TopUp";
        First = topUp ? SessionAim.TopSpeed : Enum.TryParse<SessionAim>(aim, out var a) && Enum.IsDefined(a) ? a : Usual();
        Second = topUp ? SessionAim.Conditioning : Enum.TryParse<SessionAim>(second, out var b) && Enum.IsDefined(b) && b != First ? b : null;
        if (wrong.Count == 0)
        {
            SessionAim[] aims = Second is { } two ? [First, two] : [First];
            Offers = SessionMaker.Offers(new(aims, Slot.Minutes, Slot.StraightMetres, Slot.RunOutMetres, maker.Setting(Board, Group, Slot)) { Athletes = maker.People(Board, Group), Aim = Group.Week.Aim, Pinned = Around is null ? [] : [.. Around.Plan.Blocks.Where(b => Keep.Contains(b.Id))] });
        }
    }

    /// <summary>Why a session does not belong on the day, or null.</summary>
    public string? Against(SessionOffer offer)
    {
        var week = Group!.Week;
        var (grid, numbers, at) = (week.Grid(), week.Numbers, Day.DayNumber - week.Monday.DayNumber);
        grid[at] += maker.DoseOf(offer.Plan, Board!.Pace);
        return WeekRules.Broken(grid, numbers, at)?.Keeps(grid, numbers, at);
    }

    // What the day is good for by the rules: a primer before a match, easy where nothing hard may be, else what the week lacks.
    private static readonly DayDose Hard = new(new Core.Demand.LineVolume(0, 0, 0, 0, 0, 0) { FullMetres = 100 }) { HasFullSprint = true, Sessions = 1 };

    private SessionAim Usual()
    {
        var week = Group!.Week;
        var at = Day.DayNumber - week.Monday.DayNumber;
        var (grid, numbers) = (week.Grid(), week.Numbers);
        bool Allows(DayDose dose)
        {
            var before = grid[at];
            grid[at] = dose;
            var fits = WeekRules.Broken(grid, numbers, at) is null;
            grid[at] = before;
            return fits;
        }

        return grid.DaysTo(at) == 1 && !week.PlaysLittle ? SessionAim.Primer
            : Allows(Hard with { ReachesTopSpeed = true }) && !Enumerable.Range(0, 7).Any(d => grid[d].ReachesTopSpeed) ? SessionAim.TopSpeed
            : Allows(Hard with { HasStarts = true }) ? SessionAim.Acceleration : SessionAim.Easy;
    }
}
