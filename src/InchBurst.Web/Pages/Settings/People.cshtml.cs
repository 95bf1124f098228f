using InchBurst.Data.Entities;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Web.Pages.Settings;

/// <summary>Somebody with an account.</summary>
public sealed record Person(string Id, string Name, string Role, bool IsShut);

/// <summary>Who may sign in, and what each may do.</summary>
[Authorize(Roles = Roles.Owner)]
public sealed class PeopleModel(UserManager<AppUser> users, Desk desk) : PageModel
{
    public static IReadOnlyList<(string Role, string Does)> Kinds { get; } =
    [
        (Roles.Coach, "plans, runs and looks back"),
        (Roles.Timer, "enters times trackside, nothing else"),
    ];

    public IReadOnlyList<Person> People { get; private set; } = [];

    public string TypedName { get; private set; } = "";

    public string TypedRole { get; private set; } = Roles.Timer;

    public IReadOnlyDictionary<string, string> Wrong { get; private set; } = new Dictionary<string, string>();

    public Task OnGetAsync() => ListAsync();

    public async Task<IActionResult> OnPostAddAsync(string? name, string? role, string? password)
    {
        (TypedName, TypedRole) = ((name ?? "").Trim(), role ?? "");
        var wrong = new Dictionary<string, string>();
        if (TypedName.Length is 0 or > 80)
        {
            wrong["name"] = "Give a name of at most 80 characters; it is typed to sign in.";
        }
        else if (await users.FindByNameAsync(TypedName) is not null)
        {
            wrong["name"] = "There is somebody of that name already.";
        }

        if (Kinds.All(k => k.Role != TypedRole))
        {
            wrong["role"] = "Choose what they may do.";
        }

        if ((password ?? "").Length < 10)
        {
            wrong["password"] = "A password has at least 10 characters.";
        }

        if (wrong.Count == 0)
        {
            var user = new AppUser { UserName = TypedName, DisplayName = TypedName };
            var made = await users.CreateAsync(user, password!);
            if (made.Succeeded)
            {
                await users.AddToRoleAsync(user, TypedRole);
                return Redirect("/Settings/People");
            }

            wrong["name"] = string.Join(" ", made.Errors.Select(e => e.Description));
        }

        Wrong = wrong;
        await ListAsync();
        return Page();
    }

    /// <summary>Shuts an account out or lets it in again; what the person logged stays theirs.</summary>
    public async Task<IActionResult> OnPostShutAsync(string id, bool shut)
    {
        if (await users.FindByIdAsync(id) is not { } user || user.UserName == desk.Who || await users.IsInRoleAsync(user, Roles.Owner))
        {
            return NotFound();
        }

        await users.SetLockoutEnabledAsync(user, true);
        await users.SetLockoutEndDateAsync(user, shut ? DateTimeOffset.MaxValue : null);
        if (shut)
        {
            // Devices that are signed in are asked again.
            await users.UpdateSecurityStampAsync(user);
        }

        return Redirect("/Settings/People");
    }

    private async Task ListAsync()
    {
        var list = new List<Person>();
        foreach (var user in await users.Users.OrderBy(u => u.UserName).ToListAsync())
        {
            list.Add(new(user.Id, user.UserName ?? "", (await users.GetRolesAsync(user)).FirstOrDefault() ?? "", user.LockoutEnd > DateTimeOffset.UtcNow.AddYears(1)));
        }

        People = list;
    }
}
