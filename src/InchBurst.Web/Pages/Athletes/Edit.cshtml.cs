using System.ComponentModel.DataAnnotations;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Athletes;

public sealed class EditModel(RosterBook roster, Desk desk) : PageModel
{
    public sealed class AthleteInput
    {
        [Required(ErrorMessage = "What is the athlete called?"), StringLength(80, ErrorMessage = "At most 80 characters.")]
        public string Name { get; set; } = "";

        [Required(ErrorMessage = "Which squad?")]
        public int? SquadId { get; set; }

        public AthleteSex Sex { get; set; }

        public int? BirthYear { get; set; }

        [Range(80, 250, ErrorMessage = "From 80 to 250 cm.")]
        public double? HeightCentimetres { get; set; }

        public double? BodyMass { get; set; }

        [StringLength(60, ErrorMessage = "At most 60 characters.")]
        public string? Position { get; set; }

        public PlayingGroup Group { get; set; }

        public StartStance Stance { get; set; }

        public FrontFoot FrontFoot { get; set; }

        [StringLength(2000, ErrorMessage = "At most 2000 characters.")]
        public string? Notes { get; set; }

        [StringLength(200, ErrorMessage = "At most 200 characters.")]
        public string? Guardian { get; set; }

        public DateOnly? ConsentOn { get; set; }

        public Availability Availability { get; set; }

        [StringLength(120, ErrorMessage = "At most 120 characters.")]
        public string? AvailabilityReason { get; set; }

        [StringLength(80, ErrorMessage = "At most 80 characters.")]
        public string? AvailabilitySaidBy { get; set; }
    }

    public int Id { get; private set; }

    /// <summary>What the form showed when it was opened.</summary>
    public string Opened { get; private set; } = "";

    /// <summary>Who was added last, when one is added after the other.</summary>
    public string? Added { get; private set; }

    [BindProperty]
    public AthleteInput Input { get; set; } = new();

    public async Task<IActionResult> OnGetAsync(int? id, int? squad, string? added)
    {
        Added = added;
        if (id is not { } known)
        {
            Input.SquadId = squad ?? (await desk.SquadAsync())?.Id;
            return Page();
        }

        if (await roster.FindAsync(known) is not { } a)
        {
            return NotFound();
        }

        Id = known;
        Input = From(a, await desk.ClubAsync());
        Opened = StaleForm.Opened(Input);
        return Page();
    }

    private static AthleteInput From(Athlete a, Club club) => new()
    {
        Name = a.Name,
        SquadId = a.SquadId,
        Sex = a.Sex,
        BirthYear = a.BirthYear,
        Position = a.Position,
        Group = a.Group,
        Stance = a.Stance,
        FrontFoot = a.FrontFoot,
        HeightCentimetres = a.HeightMetres is { } h ? Math.Round(h * 100, 1) : null,
        BodyMass = a.MassKilograms is { } m ? Math.Round(Figures.MassIn(m, club.MassUnit), 1) : null,
        Notes = a.Notes,
        Guardian = a.Guardian,
        ConsentOn = a.ConsentOn,
        Availability = a.Availability,
        AvailabilityReason = a.AvailabilityReason,
        AvailabilitySaidBy = a.AvailabilitySaidBy,
    };

    public async Task<IActionResult> OnPostAsync(int id, string? opened, bool another)
    {
        (Id, Opened) = (id, opened ?? "");
        var club = await desk.ClubAsync();
        double? kilograms = Input.BodyMass is { } typed ? Figures.KilogramsFrom(typed, club.MassUnit) : null;
        if (kilograms is < 20 or > 250)
        {
            ModelState.AddModelError("Input.BodyMass", $"From {Figures.MassIn(20, club.MassUnit):0} to {Figures.MassIn(250, club.MassUnit):0} {Figures.SymbolOf(club.MassUnit)}.");
        }

        if (Input.BirthYear is { } year && (year < desk.Today.Year - 100 || year > desk.Today.Year - 4))
        {
            ModelState.AddModelError("Input.BirthYear", $"From {desk.Today.Year - 100} to {desk.Today.Year - 4}.");
        }

        if (Input.Availability != Availability.Full && string.IsNullOrWhiteSpace(Input.AvailabilitySaidBy))
        {
            ModelState.AddModelError("Input.AvailabilitySaidBy", "Who said so? The clinician's or your own name.");
        }

        if (!ModelState.IsValid)
        {
            return Page();
        }

        var a = id == 0 ? new Athlete() : await roster.FindAsync(id);
        if (a is null)
        {
            return NotFound();
        }

        // Pain that trackside noted while this form lay open is not written over.
        var now = From(a, club);
        if (id != 0 && !StaleForm.Merge(Input, opened, now, ModelState, nameof(Input)))
        {
            Opened = StaleForm.Opened(now);
            return Page();
        }

        if (a.Availability != Input.Availability)
        {
            a.AvailabilitySince = desk.Today;
        }

        a.Name = Input.Name.Trim();
        a.SquadId = Input.SquadId!.Value;
        a.Sex = Input.Sex;
        a.BirthYear = Input.BirthYear;
        a.HeightMetres = Input.HeightCentimetres / 100;
        a.MassKilograms = Input.BodyMass is { } mass ? Figures.KilogramsFrom(mass, club.MassUnit) : null;
        a.Position = Input.Position?.Trim() ?? "";
        a.Group = Input.Group;
        a.Stance = Input.Stance;
        a.FrontFoot = Input.FrontFoot;
        a.Notes = Input.Notes?.Trim() ?? "";
        (a.Guardian, a.ConsentOn) = (Input.Guardian?.Trim() ?? "", Input.ConsentOn);
        a.Availability = Input.Availability;
        a.AvailabilityReason = Input.Availability == Availability.Full ? "" : Input.AvailabilityReason?.Trim() ?? "";
        a.AvailabilitySaidBy = Input.AvailabilitySaidBy?.Trim() ?? "";
        await roster.SaveAsync(a);
        return Redirect(another ? $"/Athletes/Edit?squad={a.SquadId}&added={Uri.EscapeDataString(a.Name)}" : id == 0 ? "/Athletes" : $"/Athletes/{a.Id}");
    }

    public async Task<IActionResult> OnPostRetireAsync(int id)
    {
        await roster.RetireAsync(id, true);
        return Redirect($"/Athletes?retired={id}");
    }
}
