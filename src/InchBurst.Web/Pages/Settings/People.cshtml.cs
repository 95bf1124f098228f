using InchBurst.Data.Entities;
using InchBurst.Web.Support;
using InchBurst.Web.Support.Door;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Settings;

/// <summary>Who may sign in, and what each may do.</summary>
[Authorize(Roles = Roles.Owner)]
public sealed class PeopleModel(UserManager<AppUser> users, PeopleBook book, Desk desk) : PageModel
{
    public static IReadOnlyList<(string Role, string Does)> Kinds { get; } =
    [
        (Roles.Coach, "plans, runs and looks back"),
        (Roles.Timer, "enters times trackside, nothing else"),
        (Roles.Viewer, "reads the day's plan, sheets and cards"),
        (Roles.Owner, "everything, people and copies too"),
    ];

    public IReadOnlyList<Person> People { get; private set; } = [];

    public string TypedName { get; private set; } = "";

    public string TypedRole { get; private set; } = Roles.Timer;

    public Dictionary<string, string> Wrong { get; } = [];

    /// <summary>A password made for somebody, shown once; null otherwise.</summary>
    public (string Name, string Password)? Given { get; private set; }

    public string When(DateTime? utc) => utc is { } at ? desk.LocalText(at) : "never";

    public Task OnGetAsync() => ListAsync();

    public async Task<IActionResult> OnPostAddAsync(string? name, string? role)
    {
        (TypedName, TypedRole) = ((name ?? "").Trim(), role ?? "");
        if (TypedName.Length is 0 or > 80 || TypedName.Any(char.IsControl))
        {
            Wrong["name"] = "Give a name of at most 80 characters; it is typed to sign in.";
        }
        else if (await users.FindByNameAsync(TypedName) is not null)
        {
            Wrong["name"] = "There is somebody of that name already.";
        }

        if (Kinds.All(k => k.Role != TypedRole))
        {
            Wrong["role"] = "Choose what they may do.";
        }

        if (Wrong.Count == 0)
        {
            var user = new AppUser { UserName = TypedName, DisplayName = TypedName };
            var made = await users.CreateAsync(user);
            if (made.Succeeded)
            {
                await users.AddToRoleAsync(user, TypedRole);
                return await GiveAsync(user);
            }

            Wrong["name"] = string.Join(" ", made.Errors.Select(e => e.Description));
        }

        await ListAsync();
        return Page();
    }

    public Task<IActionResult> OnPostRoleAsync(string id, string? role) => DoAsync(book.SetRoleAsync(id, role ?? ""));

    public Task<IActionResult> OnPostShutAsync(string id, bool shut) => DoAsync(book.BlockAsync(id, shut));

    public Task<IActionResult> OnPostDeleteAsync(string id) => DoAsync(book.DeleteAsync(id));

    public async Task<IActionResult> OnPostPasswordAsync(string id) =>
        await users.FindByIdAsync(id) is { } user && user.UserName != desk.Who ? await GiveAsync(user) : NotFound();

    private async Task<IActionResult> GiveAsync(AppUser user)
    {
        HttpContext.Items[DeedFilter.Done] = true;
        Given = (user.UserName ?? "", await book.GivePasswordAsync(user));
        (TypedName, TypedRole) = ("", Roles.Timer);
        await ListAsync();
        return Page();
    }

    private async Task<IActionResult> DoAsync(Task<string?> change)
    {
        if (await change is not { } problem)
        {
            return Redirect("/Settings/People");
        }

        Wrong["list"] = problem;
        await ListAsync();
        return Page();
    }

    private async Task ListAsync() => People = await book.AllAsync();
}
