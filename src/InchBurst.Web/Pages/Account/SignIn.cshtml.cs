using System.ComponentModel.DataAnnotations;
using System.Net;
using InchBurst.Data.Entities;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Web.Pages.Account;

public sealed class SignInModel(SignInManager<AppUser> signIn, UserManager<AppUser> users, HouseOptions options) : PageModel
{
    public sealed class SignInInput
    {
        [Required(ErrorMessage = "Type your name.")]
        public string Name { get; set; } = "";

        [Required(ErrorMessage = "Type your password.")]
        public string Password { get; set; } = "";
    }

    [BindProperty]
    public SignInInput Input { get; set; } = new();

    /// <summary>The demo's one button works only on this machine.</summary>
    public bool DemoMode => options.Demo && HttpContext.Connection.LocalIpAddress is var ip && (ip is null || IPAddress.IsLoopback(ip));

    public async Task<IActionResult> OnGetAsync() => await users.Users.AnyAsync() ? Page() : Redirect("/FirstRun");

    public async Task<IActionResult> OnPostAsync(string? returnUrl)
    {
        if (!ModelState.IsValid)
        {
            return Page();
        }

        var result = await signIn.PasswordSignInAsync(Input.Name.Trim(), Input.Password, isPersistent: true, lockoutOnFailure: true);
        if (result.Succeeded)
        {
            return LocalRedirect(Url.IsLocalUrl(returnUrl) ? returnUrl : "/");
        }

        ModelState.AddModelError("", result.IsLockedOut ? "Too many tries. Wait five minutes and try again." : "Name and password do not go together.");
        return Page();
    }

    public async Task<IActionResult> OnPostDemoAsync(string? returnUrl)
    {
        if (!DemoMode || await users.FindByNameAsync(House.DemoCoach) is not { } coach)
        {
            return NotFound();
        }

        await signIn.SignInAsync(coach, isPersistent: true);
        return LocalRedirect(Url.IsLocalUrl(returnUrl) ? returnUrl : "/");
    }

    public async Task<IActionResult> OnPostOutAsync()
    {
        await signIn.SignOutAsync();
        return Redirect("/SignIn");
    }
}
