using System.ComponentModel.DataAnnotations;
using InchBurst.Core.Catalogue;
using InchBurst.Core.School;
using InchBurst.Core.Season;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Drawing;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Season;

public sealed class YearModel(SeasonBook season, SchoolBook schools, ExerciseCatalogue catalogue, Desk desk) : PageModel
{
    public sealed class PhaseInput
    {
        public int Id { get; set; }

        public int Version { get; set; }

        [Required(ErrorMessage = "Give the phase a name."), StringLength(40, ErrorMessage = "At most 40 characters.")]
        public string? Name { get; set; }

        [StringLength(80, ErrorMessage = "At most 80 characters.")]
        public string? Aim { get; set; }

        [Required(ErrorMessage = "Which day?")]
        public DateOnly? From { get; set; }

        [Required(ErrorMessage = "Which day?")]
        public DateOnly? To { get; set; }

        [Range(0, 5000, ErrorMessage = "From 0 to 5000 m.")]
        public double? MetresFirst { get; set; }

        [Range(0, 5000, ErrorMessage = "From 0 to 5000 m.")]
        public double? MetresLast { get; set; }

        [Range(0, 80, ErrorMessage = "From 0 to 80%.")]
        public double? LoadFirst { get; set; }

        [Range(0, 80, ErrorMessage = "From 0 to 80%.")]
        public double? LoadLast { get; set; }

        [Range(0, 60, ErrorMessage = "From 0 to 60 m.")]
        public double? StopFirst { get; set; }

        [Range(0, 60, ErrorMessage = "From 0 to 60 m.")]
        public double? StopLast { get; set; }

        [StringLength(600, ErrorMessage = "At most 600 characters.")]
        public string? Drills { get; set; }
    }

    [BindProperty]
    public PhaseInput Input { get; set; } = new();

    public Squad? Squad { get; private set; }

    public SquadSeason? Season { get; private set; }

    public SeasonChart? Chart { get; private set; }

    public CoachingSchool School { get; private set; } = CoachingSchool.Usual;

    public IReadOnlyList<string> PhaseFindings { get; private set; } = [];

    public bool IsEditing { get; private set; }

    public int Weeks { get; private set; }

    public int? Removed { get; private set; }

    public int Every => (int)School["week.every"];

    public async Task<IActionResult> OnGetAsync(int weeks = 20, DateOnly? from = null, int? phase = null, int? removed = null)
    {
        if (!await LoadAsync(weeks, from))
        {
            return Redirect("/Athletes");
        }

        Removed = removed;
        if (phase is { } id)
        {
            IsEditing = true;
            if (await season.PhaseAsync(Squad!.Id, id) is { } p)
            {
                Input = new() { Id = p.Id, Version = p.Version, Name = p.Name, Aim = p.Aim, From = p.From, To = p.To, MetresFirst = p.MetresFirst, MetresLast = p.MetresLast, LoadFirst = p.LoadFirst, LoadLast = p.LoadLast, StopFirst = p.StopFirst, StopLast = p.StopLast, Drills = p.Drills };
            }
            else
            {
                Input = new() { From = Season!.Phases.Select(x => (DateOnly?)x.To.AddDays(1)).Max() ?? WeekBook.MondayOf(desk.Today) };
                Input.To = Input.From!.Value.AddDays(27);
            }
        }

        return Page();
    }

    public async Task<IActionResult> OnPostAsync(int weeks = 20, DateOnly? from = null)
    {
        if (!await LoadAsync(weeks, from))
        {
            return NotFound();
        }

        IsEditing = true;
        if (Input.From is { } first && Input.To is { } last && (last < first || last.DayNumber - first.DayNumber > 370))
        {
            ModelState.AddModelError("Input.To", last < first ? "That is before the first day." : "At most a year.");
        }

        if (!ModelState.IsValid)
        {
            return Page();
        }

        var phase = Input.Id > 0 ? await season.PhaseAsync(Squad!.Id, Input.Id) : new SeasonPhase { SquadId = Squad!.Id };
        if (phase is null)
        {
            return NotFound();
        }

        (phase.Name, phase.Aim, phase.From, phase.To) = (Input.Name!.Trim(), Input.Aim?.Trim() ?? "", Input.From!.Value, Input.To!.Value);
        (phase.MetresFirst, phase.MetresLast, phase.LoadFirst, phase.LoadLast, phase.StopFirst, phase.StopLast) = (Input.MetresFirst ?? 0, Input.MetresLast ?? 0, Input.LoadFirst ?? 0, Input.LoadLast ?? 0, Input.StopFirst ?? 0, Input.StopLast ?? 0);
        phase.Drills = string.Join('\n', (Input.Drills ?? "").Split(['\n', ',', ';'], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries));
        if (!await season.SavePhaseAsync(phase, Input.Version))
        {
            ModelState.AddModelError("Input.Name", "Somebody else changed this phase meanwhile. Open it again; what you typed is still here.");
            return Page();
        }

        return Redirect($"/Season/Year?weeks={Weeks}");
    }

    public async Task<IActionResult> OnPostRemoveAsync(int id, bool back = false)
    {
        if (await desk.SquadAsync() is { } squad)
        {
            await season.RemovePhaseAsync(squad.Id, id, !back);
        }

        return Redirect("/Season/Year" + (back ? "" : $"?removed={id}"));
    }

    private async Task<bool> LoadAsync(int weeks, DateOnly? from)
    {
        if (await desk.SquadAsync() is not { } squad)
        {
            return false;
        }

        (Squad, Weeks) = (squad, Math.Clamp(weeks, 4, 52));
        School = await schools.OfSquadAsync(squad.Id);

        // Four weeks are the month behind and this one; a season looks back further than on.
        var monday = WeekBook.MondayOf(from is { } f && Math.Abs(f.DayNumber - desk.Today.DayNumber) < 15000 ? f : desk.Today.AddDays(-7 * (Weeks <= 4 ? 2 : (Weeks * 4 / 5) - 1)));
        Season = await season.ReadAsync(squad.Id, monday, Weeks, desk.Today);
        Chart = SeasonChart.Lay(Season, monday, desk.Today);
        PhaseFindings = PhaseChecks.Judge([.. Season.Phases.Select(SeasonBook.Of)], catalogue);
        return true;
    }
}
