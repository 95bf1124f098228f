using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Athletes;

/// <summary>Addresses at which an athlete reads their own: made, told once, withdrawn.</summary>
public sealed class LinkModel(RosterBook roster, LinkBook links, Desk desk) : PageModel
{
    /// <summary>Under this age a guardian is asked.</summary>
    public const int Adult = 18;

    public Athlete Athlete { get; private set; } = null!;

    public IReadOnlyList<AthleteLink> Open { get; private set; } = [];

    /// <summary>The address just made; it is shown once.</summary>
    public string? Made { get; private set; }

    public bool Withdrawn { get; private set; }

    /// <summary>True when the address is this machine's own, which no phone can open.</summary>
    public bool IsHereOnly => Uri.TryCreate(Made, UriKind.Absolute, out var address) && address.IsLoopback;

    public string? Wrong { get; private set; }

    /// <summary>True when a guardian's consent is needed and none is noted.</summary>
    public bool LacksConsent => Athlete is { ConsentOn: null, BirthYear: { } born } && desk.Today.Year - born <= Adult;

    public async Task<IActionResult> OnGetAsync(int id, bool withdrawn = false)
    {
        Withdrawn = withdrawn;
        return await FindAsync(id) ? Page() : NotFound();
    }

    public async Task<IActionResult> OnPostMakeAsync(int id, int days)
    {
        if (!await FindAsync(id))
        {
            return NotFound();
        }

        if (LacksConsent || !LinkBook.Lasting.Contains(days))
        {
            Wrong = LacksConsent ? $"{Athlete.Name} is under {Adult} and no consent is noted. Note the guardian's consent first." : "Choose one of these.";
            return Page();
        }

        var key = await links.MakeAsync(id, days, desk.Who);
        Made = $"{Request.Scheme}://{Request.Host}/Mine/{key}";
        Open = await links.OpenAsync(id);
        return Page();
    }

    public async Task<IActionResult> OnPostWithdrawAsync(int id, int link) =>
        await links.WithdrawAsync(id, link) ? Redirect($"/Athletes/{id}/Link?withdrawn=true") : NotFound();

    private async Task<bool> FindAsync(int id)
    {
        if (await roster.FindAsync(id) is not { } athlete)
        {
            return false;
        }

        (Athlete, Open) = (athlete, await links.OpenAsync(id));
        return true;
    }
}
