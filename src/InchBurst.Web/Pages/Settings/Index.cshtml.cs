using System.ComponentModel.DataAnnotations;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Settings;

public sealed class IndexModel(ClubDb db, SquadBook squads, HouseOptions options, NearbyDevices nearby) : PageModel
{
    public sealed class ClubInput
    {
        [Required(ErrorMessage = "What is the club called?"), StringLength(80, ErrorMessage = "At most 80 characters.")]
        public string Name { get; set; } = "";

        public DistanceUnit DistanceUnit { get; set; }

        public SpeedReading SpeedUnit { get; set; }

        public MassReading MassUnit { get; set; }
    }

    [BindProperty]
    public ClubInput Input { get; set; } = new();

    /// <summary>What the form showed when it was opened.</summary>
    public string Opened { get; private set; } = "";

    public bool Saved { get; private set; }

    public string Folder => options.DataFolder;

    public NearbyDevices Nearby => nearby;

    /// <summary>Where other devices find this machine.</summary>
    public IReadOnlyList<string> Addresses => [.. NearbyDevices.Addresses().Select(a => $"https://{a}:{nearby.Port}")];

    public string GateToken { get; private set; } = "";

    public async Task<IActionResult> OnPostGatesAsync(bool on)
    {
        var club = await squads.ClubAsync();
        club.GateToken = on ? GateDesk.NewToken() : "";
        await db.SaveChangesAsync();
        return Redirect("/Settings#gates");
    }

    public async Task OnGetAsync(bool saved = false)
    {
        var club = await squads.ClubAsync();
        Input = From(club);
        Opened = StaleForm.Opened(Input);
        GateToken = club.GateToken;
        Saved = saved;
    }

    private static ClubInput From(Data.Entities.Club club) => new() { Name = club.Name, DistanceUnit = club.DistanceUnit, SpeedUnit = club.SpeedUnit, MassUnit = club.MassUnit };

    public async Task<IActionResult> OnPostAsync(string? opened)
    {
        var club = await squads.ClubAsync();
        (GateToken, Opened) = (club.GateToken, opened ?? "");
        if (!ModelState.IsValid)
        {
            return Page();
        }

        if (!StaleForm.Merge(Input, opened, From(club), ModelState, nameof(Input)))
        {
            Opened = StaleForm.Opened(From(club));
            return Page();
        }

        (club.Name, club.DistanceUnit, club.SpeedUnit, club.MassUnit) = (Input.Name.Trim(), Input.DistanceUnit, Input.SpeedUnit, Input.MassUnit);
        await db.SaveChangesAsync();
        return Redirect("/Settings?saved=true");
    }
}
