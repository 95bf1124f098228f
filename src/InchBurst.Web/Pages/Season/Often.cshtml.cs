using InchBurst.Core.Catalogue;
using InchBurst.Core.Live;
using InchBurst.Core.Season;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Season;

/// <summary>An athlete's counts of a week.</summary>
public sealed record OftenRow(Athlete Athlete, IReadOnlyList<OftenCount> Counts);

/// <summary>How often each thing is wished, planned and done: for each group and each athlete.</summary>
public sealed class OftenModel(WeekBook weeks, ExerciseCatalogue catalogue, Desk desk) : PageModel
{
    public WeekBoard? Board { get; private set; }

    public IReadOnlyList<(GroupBoard Group, IReadOnlyList<OftenCount> Counts, IReadOnlyList<OftenRow> Athletes)> Groups { get; private set; } = [];

    public IReadOnlyList<OftenWish> Wishes { get; private set; } = [];

    public IEnumerable<string> Exercises => catalogue.All.Select(e => e.Name).Order(StringComparer.OrdinalIgnoreCase);

    public Dictionary<string, string> Wrong { get; } = [];

    public string TypedExercise { get; private set; } = "";

    public async Task<IActionResult> OnGetAsync(DateOnly? week) => await LoadAsync(week) ? Page() : Redirect("/Athletes");

    public async Task<IActionResult> OnPostWatchAsync(DateOnly? week, string? exercise, string? least, string? most)
    {
        if (!await LoadAsync(week))
        {
            return NotFound();
        }

        TypedExercise = (exercise ?? "").Trim();
        var known = catalogue.Find(TypedExercise);
        double? Days(string field, string? text)
        {
            if (string.IsNullOrWhiteSpace(text))
            {
                return null;
            }

            if (int.TryParse(text, System.Globalization.CultureInfo.InvariantCulture, out var days) && days is >= 0 and <= 7)
            {
                return days;
            }

            Wrong[field] = "From 0 to 7 days.";
            return null;
        }

        var (from, to) = (Days("least", least), Days("most", most));
        if (known is null)
        {
            Wrong["exercise"] = TypedExercise.Length == 0 ? "Which exercise?" : $"“{TypedExercise}” is not among your drills.";
        }
        else if (from > to)
        {
            Wrong["most"] = "That is fewer than the least.";
        }

        if (Wrong.Count > 0)
        {
            return Page();
        }

        await weeks.WatchAsync(Board!.Squad.Id, known!.Name, from, to, true);
        return Redirect($"/Season/Often?week={Board.Monday:yyyy-MM-dd}");
    }

    public async Task<IActionResult> OnPostForgetAsync(DateOnly? week, string exercise)
    {
        if (await desk.SquadAsync() is { } squad)
        {
            await weeks.WatchAsync(squad.Id, exercise, null, null, false);
        }

        return Redirect($"/Season/Often?week={week:yyyy-MM-dd}");
    }

    private async Task<bool> LoadAsync(DateOnly? week)
    {
        if (await desk.SquadAsync() is not { } squad)
        {
            return false;
        }

        var monday = WeekBook.MondayOf(week is { } w && Math.Abs(w.DayNumber - desk.Today.DayNumber) < 15000 ? w : desk.Today);
        Board = await weeks.BoardAsync(squad, monday, desk.Today);
        Wishes = await weeks.WishesAsync(squad.Id);
        Groups =
        [
            .. Board.Groups.Select(g => (g, HowOften.Count(g.Week), (IReadOnlyList<OftenRow>)
            [
                .. g.Members.Select(a => new OftenRow(a, HowOften.Count(g.Week, s => Ran(s.Id) ? Board.Present[s.Id].Contains(a.Id) : !s.IsDone && a.Availability != Core.Plan.Availability.Out))),
            ])),
        ];
        return true;
    }

    private bool Ran(int sessionId) => Board!.Sessions.Single(s => s.Id == sessionId).State == SessionState.Ended;
}
