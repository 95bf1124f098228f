using InchBurst.Data.Entities;
using InchBurst.Web.Drawing;
using InchBurst.Web.Support.Door;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Account;

/// <summary>A person's own account: password, second factor, and where they are signed in.</summary>
public sealed class YouModel(UserManager<AppUser> users, DoorKeeper door, VisitShelf shelf, TryCounter tries, InchBurst.Web.Support.Desk desk) : PageModel
{
    public IReadOnlyList<Visit> Visits { get; private set; } = [];

    public Guid? ThisVisit => door.ThisVisit;

    public bool HasPassword { get; private set; }

    public bool HasSecondFactor { get; private set; }

    public bool MustChange { get; private set; }

    public bool MayHaveSecondFactor => User.IsInRole(Roles.Owner) || User.IsInRole(Roles.Coach);

    /// <summary>Key for the app while the second factor is being set up, in groups of four; null otherwise.</summary>
    public string? NewKey { get; private set; }

    public SquareCode? Square { get; private set; }

    /// <summary>Codes for when the phone is lost, shown once.</summary>
    public IReadOnlyList<string> SpareCodes { get; private set; } = [];

    public string? Said { get; private set; }

    public Dictionary<string, string> Wrong { get; } = [];

    public Task<IActionResult> OnGetAsync(string? said)
    {
        Said = said switch { "password" => "Your password is changed. Other devices were signed out.", "off" => "The second factor is off.", "ended" => "Ended. That device is signed out at its next step.", _ => null };
        return ShowAsync();
    }

    public async Task<IActionResult> OnPostPasswordAsync(string? old, string? fresh, string? again)
    {
        var user = await UserAsync();
        if (tries.IsShut("you", user.Id))
        {
            Wrong["old"] = "Too many tries. Wait five minutes and try again.";
        }
        else if (user.PasswordHash is not null && !await users.CheckPasswordAsync(user, old ?? ""))
        {
            tries.Note("you", user.Id);
            Wrong["old"] = "That is not your password now.";
        }

        if (fresh != again)
        {
            Wrong["again"] = "The two are not the same.";
        }
        else if (user.PasswordHash is not null && fresh == old)
        {
            Wrong["fresh"] = "Take another one than before.";
        }

        foreach (var rule in users.PasswordValidators)
        {
            if (!Wrong.ContainsKey("fresh") && await rule.ValidateAsync(users, user, fresh) is { Succeeded: false } refused)
            {
                Wrong["fresh"] = refused.Errors.First().Description;
            }
        }

        if (Wrong.Count > 0)
        {
            return await ShowAsync();
        }

        user.MustChangePassword = false;
        await users.RemovePasswordAsync(user);
        await users.AddPasswordAsync(user, fresh!);
        await door.EndAsync(v => v.UserId == user.Id);
        await door.EnterAsync(user);
        return Redirect("/You?said=password");
    }

    public async Task<IActionResult> OnPostBeginAsync()
    {
        var user = await UserAsync();
        if (!MayHaveSecondFactor || user.TwoFactorEnabled)
        {
            return await ShowAsync();
        }

        await users.ResetAuthenticatorKeyAsync(user);
        shelf.Forget();

        // A new key is a new stamp: this device goes on under it.
        await door.EndAsync(v => v.UserId == user.Id && v.Id == ThisVisit);
        await door.EnterAsync(user);
        return await ShowAsync(await users.GetAuthenticatorKeyAsync(user));
    }

    public async Task<IActionResult> OnPostConfirmAsync(string? code)
    {
        var user = await UserAsync();
        var key = await users.GetAuthenticatorKeyAsync(user);
        if (!MayHaveSecondFactor || key is null || user.TwoFactorEnabled)
        {
            return await ShowAsync();
        }

        if (tries.IsShut("you", user.Id) || !await users.VerifyTwoFactorTokenAsync(user, TokenOptions.DefaultAuthenticatorProvider, Digits(code)))
        {
            tries.Note("you", user.Id);
            Wrong["code"] = "That is not the code the app shows now. Is the phone's clock right?";
            return await ShowAsync(key);
        }

        await users.SetTwoFactorEnabledAsync(user, true);
        HttpContext.Items[InchBurst.Web.Support.DeedFilter.Done] = true;
        SpareCodes = [.. await users.GenerateNewTwoFactorRecoveryCodesAsync(user, 8) ?? []];
        await door.EndAsync(v => v.UserId == user.Id);
        await door.EnterAsync(user);
        return await ShowAsync();
    }

    public async Task<IActionResult> OnPostOffAsync(string? password)
    {
        var user = await UserAsync();
        if (tries.IsShut("you", user.Id) || !await users.CheckPasswordAsync(user, password ?? ""))
        {
            tries.Note("you", user.Id);
            Wrong["off"] = "That is not your password.";
            return await ShowAsync();
        }

        await users.SetTwoFactorEnabledAsync(user, false);
        await users.ResetAuthenticatorKeyAsync(user);
        await door.EndAsync(v => v.UserId == user.Id);
        await door.EnterAsync(user);
        return Redirect("/You?said=off");
    }

    public async Task<IActionResult> OnPostEndAsync(Guid? visit)
    {
        var user = await UserAsync();
        await door.EndAsync(visit is { } one ? v => v.UserId == user.Id && v.Id == one : v => v.UserId == user.Id && v.Id != ThisVisit);
        return Redirect("/You?said=ended");
    }

    public string When(DateTime utc) => desk.LocalText(utc);

    private static string Digits(string? code) => new([.. (code ?? "").Where(char.IsAsciiDigit)]);

    private async Task<AppUser> UserAsync() => await users.GetUserAsync(User) ?? throw new InvalidOperationException("Whoever is signed in has an account.");

    private async Task<IActionResult> ShowAsync(string? key = null)
    {
        var user = await UserAsync();
        (HasPassword, HasSecondFactor, MustChange) = (user.PasswordHash is not null, user.TwoFactorEnabled, user.MustChangePassword);
        Visits = await door.VisitsAsync(user.Id);
        if (key is not null)
        {
            NewKey = string.Join(' ', key.Chunk(4).Select(c => new string(c)));
            Square = SquareCode.Of($"otpauth://totp/Inch%20Burst:{Uri.EscapeDataString(user.UserName ?? "")}?secret={key}&issuer=Inch%20Burst");
        }

        return Page();
    }
}
