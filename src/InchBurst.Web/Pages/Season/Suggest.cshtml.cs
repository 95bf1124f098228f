using InchBurst.Core.Season;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Season;

public sealed class SuggestModel(WeekBook weeks, SuggestMaker maker, Desk desk) : PageModel
{
    public DateOnly Monday { get; private set; }

    public WeekBoard? Board { get; private set; }

    public IReadOnlyList<GroupSuggestion> Groups { get; private set; } = [];

    public string? Problem { get; private set; }

    public async Task<IActionResult> OnGetAsync(DateOnly? week)
    {
        if (await desk.SquadAsync() is not { } squad)
        {
            return Redirect("/Athletes");
        }

        await LoadAsync(squad, week);
        return Page();
    }

    /// <summary>Puts the suggested week of the chosen groups in place; it is worked out anew, on the week as it is now.</summary>
    public async Task<IActionResult> OnPostAsync(DateOnly? week, string[] group)
    {
        if (await desk.SquadAsync() is not { } squad)
        {
            return NotFound();
        }

        await LoadAsync(squad, week);
        var moves = new Dictionary<int, DateOnly?>();
        var made = new List<(TrainingSession, Core.Plan.SessionPlan)>();
        foreach (var (of, suggested) in Groups.Where(g => g.Week is not null && group.Contains(g.Group.Key)))
        {
            var open = suggested!.Days.Where(d => d.Chosen is not null).ToList();
            foreach (var there in of.Week.Sessions.Where(s => !s.IsDone && !s.IsPinned && open.Any(d => d.Day == s.Day) && (of.Key.Length == 0 || Board!.Sessions.Single(x => x.Id == s.Id).Group.Length > 0)))
            {
                var to = open.FirstOrDefault(d => d.Chosen!.Key == WeekMaker.KeyOf(there));
                if (to?.Day != there.Day)
                {
                    moves[there.Id] = to?.Day;
                }
            }

            foreach (var day in open.Where(d => d is { Session: not null, Slot: not null }))
            {
                made.Add((await maker.SessionAsync(squad, of.Key, day.Day, day.Slot!, day.Session!.Name), day.Session.Plan));
            }
        }

        if (moves.Count + made.Count == 0)
        {
            Problem = group.Length == 0 ? "Choose at least one group." : "There is nothing to change: the week is as suggested.";
            return Page();
        }

        await weeks.PutAsync(squad.Id, moves, made, "Suggested week put in place", desk.Who);
        return Redirect($"/Season?week={Monday:yyyy-MM-dd}");
    }

    private async Task LoadAsync(Squad squad, DateOnly? week)
    {
        Monday = WeekBook.MondayOf(week is { } w && Math.Abs(w.DayNumber - desk.Today.DayNumber) < 15000 ? w : desk.Today);
        (Board, Groups) = await maker.WeekAsync(squad, Monday);
    }
}
