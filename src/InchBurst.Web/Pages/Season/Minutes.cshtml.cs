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

    /// <summary>What the form showed when it was opened: two helpers enter one match.</summary>
    public string Opened { get; private set; } = "";

    public async Task<IActionResult> OnGetAsync(int match)
    {
        if (!await LoadAsync(match))
        {
            return NotFound();
        }

        Opened = StaleForm.Opened(Stored());
        return Page();
    }

    public async Task<IActionResult> OnPostAsync(int match, string? opened)
    {
        if (!await LoadAsync(match))
        {
            return NotFound();
        }

        // What the other left alone is taken as typed here, and the other way round; what both changed is told beside it.
        Opened = opened ?? "";
        var now = Stored();
        var mine = now.Keys.ToDictionary(k => k, k => ((string?)Request.Form[k] ?? "").Trim());
        var both = StaleForm.Merge(mine, opened, now);
        foreach (var (field, message) in both)
        {
            Wrong[int.Parse(field[2..], CultureInfo.InvariantCulture)] = message;
            Opened = StaleForm.Opened(now);
        }

        var minutes = new Dictionary<int, (int, bool)>();
        foreach (var row in Rows)
        {
            var (text, counts) = (mine[$"m-{row.Athlete.Id}"], mine[$"c-{row.Athlete.Id}"].Length > 0);
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

    // The form's fields as they are stored.
    private Dictionary<string, string> Stored() => Rows.SelectMany(r => new[]
    {
        ($"m-{r.Athlete.Id}", Text(r)),
        ($"c-{r.Athlete.Id}", r.Counts ? "on" : ""),
    }).ToDictionary(f => f.Item1, f => f.Item2);

    /// <summary>Minutes as they stand in their box; a word about top speed alone is no minutes.</summary>
    public static string Text(MinutesRow row) => row.Minutes is { } known && !(known == 0 && row.Counts) ? known.ToString(CultureInfo.InvariantCulture) : "";

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
