using System.ComponentModel.DataAnnotations;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Settings;

public sealed class IndexModel(ClubDb db, SquadBook squads, HouseOptions options, NearbyDevices nearby, KeyBook keys, Desk desk) : PageModel
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

    /// <summary>True where an older program made one key for all devices, which still lets in.</summary>
    public bool HasClubKey { get; private set; }

    /// <summary>Devices that are let in.</summary>
    public IReadOnlyList<Data.Entities.DeviceKey> Devices { get; private set; } = [];

    /// <summary>The key just made, and for what; it is shown once.</summary>
    public (string Name, string Key)? Made { get; private set; }

    /// <summary>The name that was typed for a device, and what is wrong with it.</summary>
    public (string Name, string? Wrong) Device { get; private set; } = ("", null);

    public async Task<IActionResult> OnPostDeviceAsync(string? name)
    {
        var (key, wrong) = await keys.MakeAsync(name ?? "", desk.Who);
        if (key is null)
        {
            Device = (name ?? "", wrong);
        }
        else
        {
            Made = (name!.Trim(), key);
        }

        ModelState.Clear();
        await OnGetAsync();
        return Page();
    }

    public async Task<IActionResult> OnPostWithdrawAsync(int device) => await keys.WithdrawAsync(device) ? Redirect("/Settings#gates") : NotFound();

    public async Task<IActionResult> OnPostWithdrawClubAsync()
    {
        (await squads.ClubAsync()).GateToken = "";
        await db.SaveChangesAsync();
        return Redirect("/Settings#gates");
    }

    public async Task OnGetAsync(bool saved = false)
    {
        var club = await squads.ClubAsync();
        Input = From(club);
        Opened = StaleForm.Opened(Input);
        (HasClubKey, Devices) = (club.GateToken.Length > 0, await keys.OpenAsync());
        Saved = saved;
    }

    private static ClubInput From(Data.Entities.Club club) => new() { Name = club.Name, DistanceUnit = club.DistanceUnit, SpeedUnit = club.SpeedUnit, MassUnit = club.MassUnit };

    public async Task<IActionResult> OnPostAsync(string? opened)
    {
        var club = await squads.ClubAsync();
        (HasClubKey, Devices, Opened) = (club.GateToken.Length > 0, await keys.OpenAsync(), opened ?? "");
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
