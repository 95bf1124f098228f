using System.ComponentModel.DataAnnotations;
using System.Net;
using InchBurst.Data.Entities;
using InchBurst.Web.Support;
using InchBurst.Web.Support.Door;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Web.Pages.Account;

public sealed class SignInModel(DoorKeeper door, UserManager<AppUser> users, TryCounter tries, IDataProtectionProvider protection, HouseOptions options) : PageModel
{
    private const string Wrong = "Name and password do not go together.";
    private const string Shut = "Too many tries from here. Wait five minutes and try again.";
    private static readonly TimeSpan TicketHolds = TimeSpan.FromMinutes(5);

    // A name that nobody has costs as much time as one that somebody has.
    private static readonly Lazy<string> NobodysHash = new(() => new PasswordHasher<AppUser>().HashPassword(new AppUser(), Guid.NewGuid().ToString()));

    public sealed class SignInInput
    {
        [Required(ErrorMessage = "Type your name."), StringLength(200, ErrorMessage = Wrong)]
        public string Name { get; set; } = "";

        [Required(ErrorMessage = "Type your password."), StringLength(400, ErrorMessage = Wrong)]
        public string Password { get; set; } = "";
    }

    [BindProperty]
    public SignInInput Input { get; set; } = new();

    /// <summary>Says whose password was right a moment ago, sealed, while the second factor is asked for; null otherwise.</summary>
    public string? Ticket { get; private set; }

    /// <summary>The demo's one button works only on this machine.</summary>
    public bool DemoMode => options.Demo && HttpContext.Connection.LocalIpAddress is var ip && (ip is null || IPAddress.IsLoopback(ip));

    private string Place => HttpContext.Connection.RemoteIpAddress?.ToString() ?? "here";

    private ITimeLimitedDataProtector Sealer => protection.CreateProtector("second factor").ToTimeLimitedDataProtector();

    public async Task<IActionResult> OnGetAsync() => await users.Users.AnyAsync() ? Page() : Redirect("/FirstRun");

    public async Task<IActionResult> OnPostAsync(string? returnUrl)
    {
        if (!ModelState.IsValid)
        {
            return Page();
        }

        var name = Input.Name.Trim();
        if (tries.IsShut(Place, name))
        {
            return Say(Shut);
        }

        var user = await users.FindByNameAsync(name);
        var known = user ?? new AppUser { PasswordHash = NobodysHash.Value };
        if (known.PasswordHash is null || users.PasswordHasher.VerifyHashedPassword(known, known.PasswordHash, Input.Password) == PasswordVerificationResult.Failed || user is null)
        {
            tries.Note(Place, name);
            return Say(Wrong);
        }

        if (PeopleBook.IsBlocked(user))
        {
            // Said only to who knows the password.
            return Say("This account is blocked. Ask the club's owner.");
        }

        tries.Clear(Place, name);
        if (user.TwoFactorEnabled)
        {
            Ticket = Sealer.Protect($"{user.Id}\n{user.SecurityStamp}", TicketHolds);
            return Page();
        }

        await door.EnterAsync(user);
        return Onward(returnUrl);
    }

    /// <summary>The second step: a code of the app, or one of the spare codes.</summary>
    public async Task<IActionResult> OnPostCodeAsync(string? ticket, string? code, string? returnUrl)
    {
        ModelState.Clear();
        AppUser? user;
        try
        {
            var parts = Sealer.Unprotect(ticket ?? "").Split('\n');
            user = await users.FindByIdAsync(parts[0]);
            user = user?.SecurityStamp == parts[^1] && !PeopleBook.IsBlocked(user) ? user : null;
        }
        catch (System.Security.Cryptography.CryptographicException)
        {
            user = null;
        }

        if (user is null)
        {
            return Say("That took too long. Type your password again.");
        }

        Ticket = ticket;
        if (tries.IsShut("second factor", user.Id))
        {
            return Say(Shut);
        }

        var typed = (code ?? "").Trim();
        var digits = new string([.. typed.Where(char.IsAsciiDigit)]);
        if (!(digits.Length == 6 && typed.All(c => char.IsAsciiDigit(c) || c == ' ') && await users.VerifyTwoFactorTokenAsync(user, TokenOptions.DefaultAuthenticatorProvider, digits))
            && !(typed.Length is > 6 and < 40 && (await users.RedeemTwoFactorRecoveryCodeAsync(user, typed)).Succeeded))
        {
            tries.Note("second factor", user.Id);
            return Say("That is not the code the app shows now.");
        }

        tries.Clear("second factor", user.Id);
        await door.EnterAsync(user);
        return Onward(returnUrl);
    }

    public async Task<IActionResult> OnPostDemoAsync(string? returnUrl)
    {
        if (!DemoMode || await users.FindByNameAsync(House.DemoCoach) is not { } coach)
        {
            return NotFound();
        }

        await door.EnterAsync(coach);
        return Onward(returnUrl);
    }

    public async Task<IActionResult> OnPostOutAsync()
    {
        await door.LeaveAsync();
        return Redirect("/SignIn");
    }

    private LocalRedirectResult Onward(string? returnUrl) => LocalRedirect(Url.IsLocalUrl(returnUrl) ? returnUrl : "/");

    private PageResult Say(string words)
    {
        ModelState.AddModelError("", words);
        return Page();
    }
}
