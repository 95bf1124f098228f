using InchBurst.Core.Check;
using InchBurst.Core.School;
using InchBurst.Core.Season;
using InchBurst.Data;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Season;

/// <summary>The same week under one school.</summary>
public sealed record SchoolWeek(CoachingSchool School, bool IsOwn, IReadOnlyList<WeekFinding> Findings, IReadOnlyList<GroupSuggestion> Suggested);

/// <summary>The same week under every school, side by side: what each finds in it, and what each would suggest.</summary>
public sealed class CompareModel(SuggestMaker maker, SchoolBook schools, Desk desk) : PageModel
{
    public DateOnly Monday { get; private set; }

    public IReadOnlyList<SchoolWeek> Schools { get; private set; } = [];

    public static IReadOnlyList<string> Keys { get; } = ["week.every", "week.wish.days", "week.wish.topspeed", "week.topspeed", "week.sessions", "week.apart", "week.backtoback", "week.clear"];

    public async Task<IActionResult> OnGetAsync(DateOnly? week)
    {
        if (await desk.SquadAsync() is not { } squad)
        {
            return Redirect("/Athletes");
        }

        Monday = WeekBook.MondayOf(week is { } w && Math.Abs(w.DayNumber - desk.Today.DayNumber) < 15000 ? w : desk.Today);
        var own = await schools.OfSquadAsync(squad.Id);
        var list = new List<SchoolWeek>();
        foreach (var school in await schools.AllAsync())
        {
            var (board, suggested) = await maker.WeekAsync(squad, Monday, school);
            list.Add(new(school, school.Name == own.Name, [.. board.Groups.SelectMany(g => WeekRules.Judge(g.Week)).Where(f => f.Severity != Severity.Note).DistinctBy(f => f.Said)], suggested));
        }

        Schools = [.. list.OrderByDescending(s => s.IsOwn)];
        return Page();
    }

    public async Task<IActionResult> OnPostAsync(DateOnly? week, string school)
    {
        if (await desk.SquadAsync() is { } squad && (await schools.AllAsync()).Any(s => s.Name == school))
        {
            await schools.ChooseForSquadAsync(squad.Id, school);
        }

        return Redirect($"/Season?week={week:yyyy-MM-dd}");
    }
}
