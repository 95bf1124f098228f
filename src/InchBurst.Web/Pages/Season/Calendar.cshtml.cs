using System.ComponentModel.DataAnnotations;
using InchBurst.Core.Season;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Season;

public sealed class CalendarModel(CalendarBook calendar, SquadBook squads, Desk desk) : PageModel
{
    public sealed class EntryInput
    {
        public int Id { get; set; }

        public int Version { get; set; }

        public EntryKind Kind { get; set; }

        [Required(ErrorMessage = "What is it called?"), StringLength(120, ErrorMessage = "At most 120 characters.")]
        public string? Title { get; set; }

        [Required(ErrorMessage = "Which day?")]
        public DateOnly? Day { get; set; }

        public DateOnly? LastDay { get; set; }

        public TimeOnly? Start { get; set; }

        [Range(1, 3, ErrorMessage = "Friendly, usual or one that decides.")]
        public int Importance { get; set; } = 2;

        public bool IsAway { get; set; }

        [Range(0, 3000, ErrorMessage = "From 0 to 3000 minutes.")]
        public int? TravelMinutes { get; set; }

        [StringLength(120, ErrorMessage = "At most 120 characters.")]
        public string? Where { get; set; }
    }

    [BindProperty]
    public EntryInput Input { get; set; } = new();

    public Squad? Squad { get; private set; }

    public IReadOnlyList<CalendarEntry> Entries { get; private set; } = [];

    public IReadOnlyDictionary<int, int> Entered { get; private set; } = new Dictionary<int, int>();

    public IReadOnlyList<Place> Places { get; private set; } = [];

    public IReadOnlyList<Slot> Slots { get; private set; } = [];

    public IReadOnlyList<OwnGroup> Groups { get; private set; } = [];

    public IReadOnlyList<Athlete> Athletes { get; private set; } = [];

    public bool IsEditing => Input.Id > 0;

    public bool All { get; private set; }

    public int? Removed { get; private set; }

    public string? Said { get; private set; }

    /// <summary>What is wrong in the small forms, by field.</summary>
    public Dictionary<string, string> Wrong { get; } = [];

    /// <summary>What was typed in them.</summary>
    public Dictionary<string, string> Typed { get; } = [];

    public string? FeedUrl => Squad is { FeedKey.Length: > 0 } s ? $"{Request.Scheme}://{Request.Host}/feed/{s.FeedKey}.ics" : null;

    public async Task<IActionResult> OnGetAsync(int? edit, int? removed, string? said, bool all = false)
    {
        if (!await LoadAsync(all))
        {
            return Redirect("/Athletes");
        }

        (Removed, Said) = (removed, said);
        if (edit is { } id && await calendar.FindAsync(id) is { } entry && entry.SquadId == Squad!.Id)
        {
            Input = new()
            {
                Id = entry.Id,
                Version = entry.Version,
                Kind = entry.Kind,
                Title = entry.Title,
                Day = entry.Day,
                LastDay = entry.LastDay == entry.Day ? null : entry.LastDay,
                Start = entry.Start,
                Importance = entry.Importance,
                IsAway = entry.IsAway,
                TravelMinutes = entry.TravelMinutes,
                Where = entry.Where,
            };
        }

        return Page();
    }

    public async Task<IActionResult> OnPostAsync()
    {
        if (!await LoadAsync(false))
        {
            return NotFound();
        }

        if (Input.Day is { } first && Input.LastDay is { } last && last < first)
        {
            ModelState.AddModelError("Input.LastDay", "That is before the first day.");
        }

        if (Input.Day is { } d && Input.LastDay is { } l && l.DayNumber - d.DayNumber > 120)
        {
            ModelState.AddModelError("Input.LastDay", "At most 120 days.");
        }

        if (Input.Day is { } far && Math.Abs(far.DayNumber - desk.Today.DayNumber) > 3660)
        {
            ModelState.AddModelError("Input.Day", "Within ten years.");
        }

        if (!ModelState.IsValid)
        {
            return Page();
        }

        var entry = Input.Id > 0 ? await calendar.FindAsync(Input.Id) : new CalendarEntry { SquadId = Squad!.Id };
        if (entry is null || entry.SquadId != Squad!.Id)
        {
            return NotFound();
        }

        (entry.Kind, entry.Title, entry.Day, entry.LastDay, entry.Start) = (Input.Kind, Input.Title!.Trim(), Input.Day!.Value, Input.LastDay ?? Input.Day.Value, Input.Start);
        (entry.Importance, entry.IsAway, entry.TravelMinutes, entry.Where) = (Input.Importance, Input.IsAway, Input.TravelMinutes, Input.Where?.Trim() ?? "");
        if (!await calendar.SaveAsync(entry, Input.Version))
        {
            ModelState.AddModelError("Input.Title", "Somebody else changed this meanwhile. Open it again; what you typed is still here.");
            return Page();
        }

        return Redirect("/Season/Calendar?said=" + Uri.EscapeDataString($"{entry.Title} stored."));
    }

    public async Task<IActionResult> OnPostRemoveAsync(int id)
    {
        if (await OwnAsync(id))
        {
            await calendar.RemoveAsync(id, true);
        }

        return Redirect($"/Season/Calendar?removed={id}");
    }

    public async Task<IActionResult> OnPostBringBackAsync(int id)
    {
        await calendar.RemoveAsync(id, false);
        return Redirect("/Season/Calendar");
    }

    private async Task<bool> OwnAsync(int id) => await desk.SquadAsync() is { } squad && await calendar.FindAsync(id) is { } entry && entry.SquadId == squad.Id;

    public async Task<IActionResult> OnPostPlaceAsync(int id, string? name, string? lanes, string? straight, string? runOut, Surface surface)
    {
        if (!await LoadAsync(false))
        {
            return NotFound();
        }

        var unit = (await desk.ClubAsync()).DistanceUnit;
        var title = (name ?? "").Trim();
        Check("name", name, title.Length is > 0 and <= 60, title.Length == 0 ? "Give the place a name." : "At most 60 characters.");
        var count = Number("lanes", lanes, 1, 20, "From 1 to 20 lanes.");
        var length = Number("straight", straight, 5, 500, "From 5 to 500.");
        var room = Number("runOut", runOut, 0, 200, "From 0 to 200.");
        if (Wrong.Count == 0 && Places.Any(p => p.Id != id && p.Name.Equals(title, StringComparison.OrdinalIgnoreCase)))
        {
            Wrong["name"] = $"There is a place “{title}” already.";
        }

        if (Wrong.Count > 0)
        {
            return Page();
        }

        await calendar.SavePlaceAsync(new() { Id = Places.Any(p => p.Id == id) ? id : 0, Name = title, Lanes = (int)count, StraightMetres = new Distance(length, unit).Metres, RunOutMetres = new Distance(room, unit).Metres, Surface = surface });
        return Redirect("/Season/Calendar#places");
    }

    public async Task<IActionResult> OnPostSlotAsync(DayOfWeek weekday, TimeOnly? start, string? minutes, int place)
    {
        if (!await LoadAsync(false))
        {
            return NotFound();
        }

        Check("start", start?.ToString(System.Globalization.CultureInfo.InvariantCulture), start is not null, "When does it begin?");
        var length = Number("minutes", minutes, 15, 240, "From 15 to 240 minutes.");
        Check("place", null, Places.Any(p => p.Id == place), "Which place?");
        Check("weekday", null, Enum.IsDefined(weekday), "Which day?");
        if (Wrong.Count > 0)
        {
            return Page();
        }

        await calendar.AddSlotAsync(new() { SquadId = Squad!.Id, PlaceId = place, Weekday = weekday, Start = start!.Value, Minutes = (int)length });
        return Redirect("/Season/Calendar#places");
    }

    public async Task<IActionResult> OnPostDropSlotAsync(int id)
    {
        if (await desk.SquadAsync() is { } squad)
        {
            await calendar.RetireSlotAsync(id, squad.Id, true);
        }

        return Redirect("/Season/Calendar#places");
    }

    public async Task<IActionResult> OnPostDropPlaceAsync(int id)
    {
        await calendar.RetirePlaceAsync(id, true);
        return Redirect("/Season/Calendar#places");
    }

    public async Task<IActionResult> OnPostGroupAsync(int id, string? name, int[] athlete, int[] opened, string? openedName)
    {
        if (!await LoadAsync(false))
        {
            return NotFound();
        }

        if (await calendar.SaveGroupAsync(Squad!.Id, id, name, athlete, openedName is { Length: > 0 } ? opened : null, openedName) is { } problem)
        {
            (Wrong["group"], Typed["group"]) = (problem, name ?? "");
            return Page();
        }

        return Redirect("/Season/Calendar#groups");
    }

    public async Task<IActionResult> OnPostDropGroupAsync(int id)
    {
        if (await desk.SquadAsync() is { } squad)
        {
            await calendar.RemoveGroupAsync(squad.Id, id);
        }

        return Redirect("/Season/Calendar#groups");
    }

    public async Task<IActionResult> OnPostFeedAsync(bool on)
    {
        if (await desk.SquadAsync() is { } squad)
        {
            await calendar.FeedAsync(squad.Id, on);
        }

        return Redirect("/Season/Calendar#out");
    }

    private void Check(string field, string? typed, bool isRight, string message)
    {
        Typed[field] = typed ?? "";
        if (!isRight)
        {
            Wrong[field] = message;
        }
    }

    private double Number(string field, string? text, double least, double most, string message)
    {
        var isNumber = double.TryParse((text ?? "").Replace(',', '.'), System.Globalization.NumberStyles.Float, System.Globalization.CultureInfo.InvariantCulture, out var value) && value >= least && value <= most;
        Check(field, text, isNumber, message);
        return value;
    }

    private async Task<bool> LoadAsync(bool all)
    {
        if (await desk.SquadAsync() is not { } squad)
        {
            return false;
        }

        (Squad, All) = (squad, all);
        Entries = await calendar.EntriesAsync(squad.Id, desk.Today.AddDays(all ? -3660 : -28), desk.Today.AddDays(3660));
        Entered = await calendar.EnteredAsync(squad.Id);
        Places = await calendar.PlacesAsync();
        Slots = [.. (await calendar.SlotsAsync(squad.Id)).OrderBy(s => ((int)s.Weekday + 6) % 7).ThenBy(s => s.Start)];
        Groups = await calendar.GroupsAsync(squad.Id);
        Athletes = await squads.AthletesAsync(squad.Id);
        return true;
    }
}
