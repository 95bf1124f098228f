using System.Globalization;
using InchBurst.Core.Season;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Season;

/// <summary>Minutes of a match on one screen: a figure each, Enter goes on to the next.</summary>
public sealed class MinutesModel(CalendarBook calendar, SchoolBook schools, Desk desk) : PageModel
{
    public CalendarEntry? Match { get; private set; }

    public IReadOnlyList<MinutesRow> Rows { get; private set; } = [];

    public double From { get; private set; }

    public Dictionary<int, string> Wrong { get; } = [];

    public Dictionary<int, (string Text, bool Counts)> Typed { get; } = [];

    public async Task<IActionResult> OnGetAsync(int match) => await LoadAsync(match) ? Page() : NotFound();

    public async Task<IActionResult> OnPostAsync(int match)
    {
        if (!await LoadAsync(match))
        {
            return NotFound();
        }

        var minutes = new Dictionary<int, (int, bool)>();
        foreach (var row in Rows)
        {
            var text = ((string?)Request.Form[$"m-{row.Athlete.Id}"] ?? "").Trim();
            var counts = Request.Form.ContainsKey($"c-{row.Athlete.Id}");
            Typed[row.Athlete.Id] = (text, counts);
            if (text.Length == 0)
            {
                if (counts)
                {
                    minutes[row.Athlete.Id] = (0, true);
                }
            }
            else if (int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out var played) && played <= CalendarBook.MostMinutes)
            {
                minutes[row.Athlete.Id] = (played, counts);
            }
            else
            {
                Wrong[row.Athlete.Id] = $"Whole minutes from 0 to {CalendarBook.MostMinutes}.";
            }
        }

        if (Wrong.Count > 0)
        {
            return Page();
        }

        await calendar.SaveMinutesAsync(Match!, minutes);
        return Redirect("/Season/Calendar?said=" + Uri.EscapeDataString($"Minutes of {Match!.Title} stored; playing groups follow."));
    }

    private async Task<bool> LoadAsync(int id)
    {
        if (await desk.SquadAsync() is not { } squad || await calendar.FindAsync(id) is not { Kind: EntryKind.Match } match || match.SquadId != squad.Id)
        {
            return false;
        }

        (Match, Rows) = (match, await calendar.MinutesAsync(match));
        From = (await schools.OfSquadAsync(squad.Id))["week.minutes"];
        return true;
    }
}
