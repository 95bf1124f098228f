using System.ComponentModel.DataAnnotations;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Support;
using InchBurst.Web.Support.Door;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Web.Pages.Account;

/// <summary>Makes the owner of an empty club; gone once there is one.</summary>
public sealed class FirstRunModel(ClubDb db, UserManager<AppUser> users, DoorKeeper door) : PageModel
{
    private static readonly SemaphoreSlim OneAtATime = new(1, 1);

    public sealed class ClubInput
    {
        [Required(ErrorMessage = "What is the club called?"), StringLength(80, ErrorMessage = "At most 80 characters.")]
        public string Club { get; set; } = "";

        [Required(ErrorMessage = "What is the squad called?"), StringLength(80, ErrorMessage = "At most 80 characters.")]
        public string Squad { get; set; } = "";

        [Required(ErrorMessage = "Type your name."), StringLength(80, ErrorMessage = "At most 80 characters.")]
        public string Name { get; set; } = "";

        [Required(ErrorMessage = "Choose a password."), StringLength(200, MinimumLength = 10, ErrorMessage = "At least 10 characters.")]
        public string Password { get; set; } = "";
    }

    [BindProperty]
    public ClubInput Input { get; set; } = new();

    /// <summary>The first account is made on the machine that holds the data, never from somewhere on the network.</summary>
    public bool IsElsewhere => !NearbyDevices.IsOwnMachine(HttpContext.Connection.RemoteIpAddress, HttpContext.Connection.LocalIpAddress);

    public async Task<IActionResult> OnGetAsync() => await users.Users.AnyAsync() ? Redirect("/SignIn") : Page();

    public async Task<IActionResult> OnPostAsync()
    {
        if (!ModelState.IsValid || IsElsewhere)
        {
            return Page();
        }

        await OneAtATime.WaitAsync();
        try
        {
            if (await users.Users.AnyAsync())
            {
                return Redirect("/SignIn");
            }

            await using var all = await db.Database.BeginTransactionAsync();
            var owner = new AppUser { UserName = Input.Name.Trim(), DisplayName = Input.Name.Trim() };
            var made = await users.CreateAsync(owner, Input.Password);
            if (!made.Succeeded)
            {
                ModelState.AddModelError("Input.Password", string.Join(" ", made.Errors.Select(e => e.Description)));
                return Page();
            }

            await users.AddToRoleAsync(owner, Roles.Owner);
            db.Clubs.Add(new Club { Name = Input.Club.Trim() });
            db.Squads.Add(new Squad { Name = Input.Squad.Trim() });
            await db.SaveChangesAsync();
            await all.CommitAsync();
            await door.EnterAsync(owner);
            return Redirect("/");
        }
        finally
        {
            OneAtATime.Release();
        }
    }
}
