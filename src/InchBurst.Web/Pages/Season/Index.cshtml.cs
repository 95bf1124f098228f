using InchBurst.Core.School;
using InchBurst.Core.Season;
using InchBurst.Core.Shorthand;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Season;

/// <summary>A number of the school that is set beside the board.</summary>
public sealed record OftenNumber(string Key, string Label, string Unit, double Step);

public sealed class IndexModel(WeekBook weeks, WeekViewMaker maker, SchoolBook schools, CalendarBook calendar, BuilderMaker builder, Desk desk) : PageModel
{
    public WeekView? View { get; private set; }

    private const string Changed = "Somebody changed that session meanwhile, or it was run: here is the week as it is now.";

    public static IReadOnlyList<OftenNumber> Numbers { get; } = [new("week.every", "Top speed every", "days", 1), new("week.topspeed", "Top speed at most", "a week", 1), new("week.clear", "Clear before match", "days", 1), new("week.apart", "Hard days apart", "h", 24)];

    public async Task<IActionResult> OnGetAsync(DateOnly? week, DateOnly? day, string? group)
    {
        if (await desk.SquadAsync() is not { } squad)
        {
            return Redirect("/Athletes");
        }

        View = await maker.MakeAsync(squad, WeekBook.MondayOf(Sane(week ?? day ?? desk.Today)), day, group);
        return Page();
    }

    public Task<IActionResult> OnPostMoveAsync(DateOnly week, int session, DateOnly seen, DateOnly to, string? group) => OnWeekAsync(week, group, squad => weeks.MoveAsync(squad.Id, session, seen, to, desk.Who), Changed, to);

    public Task<IActionResult> OnPostTakeOutAsync(DateOnly week, int session, DateOnly seen, string? group) => OnWeekAsync(week, group, squad => weeks.TakeOutAsync(squad.Id, session, seen, desk.Who), Changed);

    public Task<IActionResult> OnPostPinAsync(DateOnly week, int session, bool pinned, string? group) => OnWeekAsync(week, group, squad => weeks.PinAsync(squad.Id, session, pinned, desk.Who), Changed);

    public async Task<IActionResult> OnPostUndoAsync(DateOnly week, int step, string? group)
    {
        if (await desk.SquadAsync() is not { } squad)
        {
            return NotFound();
        }

        var what = await weeks.UndoAsync(squad.Id, step);
        return await ShowAsync(squad, week, group, what is null ? "That was taken back already." : $"Taken back: {what}.");
    }

    // A move is found anew in the week as it is now: the page sends the rule and the words of the move, never what is to be stored.
    public Task<IActionResult> OnPostFixAsync(DateOnly week, string? group, string rule, string label, DateOnly? day) => OnWeekAsync(week, group, async squad =>
    {
        var board = await weeks.BoardAsync(squad, WeekBook.MondayOf(Sane(week)), desk.Today);
        var found = board.Groups.Where(g => group is null || g.Key == group).SelectMany(g => WeekRules.Judge(g.Week)).Where(f => f.Rule == rule && (day is null || f.Day == day)).SelectMany(f => f.Moves.Select(m => (Finding: f, Move: m))).FirstOrDefault(x => x.Move.Label == label);
        DateOnly On(int id) => board.Sessions.Single(s => s.Id == id).Day;
        return found.Move switch
        {
            { TakesOut: true, SessionId: { } id } => await weeks.TakeOutAsync(squad.Id, id, On(id), desk.Who),
            { To: { } to, SessionId: { } id } => await weeks.MoveAsync(squad.Id, id, On(id), to, desk.Who),
            { AddLine: { } text, SessionId: { } id } when ShorthandLine.Read(text, await builder.ContextAsync()).Line is { } line => await weeks.AddLineAsync(squad.Id, id, line, desk.Who),
            { MatchId: { } match } => await weeks.CountMatchAsync(squad.Id, match, found.Finding.Athletes, desk.Who),
            _ => null,
        };
    }, "The week has changed meanwhile; look again.");

    public async Task<IActionResult> OnPostNumberAsync(DateOnly week, string? group, string key, int step)
    {
        if (await desk.SquadAsync() is not { } squad || Numbers.FirstOrDefault(n => n.Key == key) is not { } number)
        {
            return NotFound();
        }

        var of = CoachingSchool.Numbers.Single(n => n.Key == key);
        var now = await schools.OfSquadAsync(squad.Id);
        var value = Math.Clamp(now[key] + (Math.Sign(step) * number.Step), of.Least, of.Most);
        var changed = await schools.SetForSquadAsync(squad.Id, key, value);
        await calendar.SettleGroupsAsync(squad.Id);
        return await ShowAsync(squad, week, group, changed.Name == now.Name ? null : $"A school of your own was made: “{changed.Name}”.");
    }

    private async Task<IActionResult> OnWeekAsync(DateOnly week, string? group, Func<Squad, Task<WeekStep?>> act, string otherwise, DateOnly? day = null)
    {
        if (await desk.SquadAsync() is not { } squad)
        {
            return NotFound();
        }

        return await act(squad) is { } step ? await ShowAsync(squad, week, group, step.What + ".", day) : await ShowAsync(squad, week, group, otherwise, day);
    }

    private async Task<IActionResult> ShowAsync(Squad squad, DateOnly week, string? group, string? toast, DateOnly? day = null)
    {
        var monday = WeekBook.MondayOf(Sane(week));
        if (!Request.Headers.ContainsKey("HX-Request"))
        {
            return Redirect($"/Season?week={monday:yyyy-MM-dd}{(group is null ? "" : "&group=" + Uri.EscapeDataString(group))}");
        }

        return Partial("_Week", await maker.MakeAsync(squad, monday, day, group, toast));
    }

    // Any date can be asked for; those no season has are taken as today.
    internal DateOnly Sane(DateOnly day) => Math.Abs(day.DayNumber - desk.Today.DayNumber) > 365 * 40 ? desk.Today : day;
}
