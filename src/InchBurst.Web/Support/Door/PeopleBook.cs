using System.Security.Cryptography;
using InchBurst.Data;
using InchBurst.Data.Entities;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Web.Support.Door;

/// <summary>Somebody with an account.</summary>
/// <param name="Id">Number of the account.</param>
/// <param name="Name">Name typed to sign in.</param>
/// <param name="Role">What they may do.</param>
/// <param name="IsShut">True while blocked.</param>
/// <param name="HasSecondFactor">True when a code from an app is asked for too.</param>
/// <param name="Devices">On how many devices they are signed in.</param>
/// <param name="LastSeen">When they were last here, UTC; null when never.</param>
public sealed record Person(string Id, string Name, string Role, bool IsShut, bool HasSecondFactor, int Devices, DateTime? LastSeen);

/// <summary>Accounts and what is done with them. There is always an owner who can come in.</summary>
public sealed class PeopleBook(UserManager<AppUser> users, ClubDb db, VisitShelf shelf, TimeProvider clock)
{
    private const string LastOwner = "There must be an owner. Make somebody else an owner first.";

    public async Task<IReadOnlyList<Person>> AllAsync()
    {
        var visits = (await db.Visits.AsNoTracking().GroupBy(v => v.UserId).Select(g => new { g.Key, Open = g.Count(v => v.EndedAt == null), Last = g.Max(v => v.LastSeen) }).ToListAsync()).ToDictionary(v => v.Key);
        var roles = (await db.UserRoles.Join(db.Roles, r => r.RoleId, r => r.Id, (u, r) => new { u.UserId, r.Name }).ToListAsync()).ToLookup(r => r.UserId, r => r.Name ?? "");
        return [.. (await users.Users.AsNoTracking().OrderBy(u => u.UserName).ToListAsync()).Select(u => new Person(u.Id, u.UserName ?? "", roles[u.Id].FirstOrDefault() ?? "", IsBlocked(u), u.TwoFactorEnabled, visits.GetValueOrDefault(u.Id)?.Open ?? 0, visits.GetValueOrDefault(u.Id)?.Last))];
    }

    public static bool IsBlocked(AppUser user) => user.LockoutEnd is { Year: 9999 };

    /// <summary>Gives somebody another role. Gives what is wrong, or null.</summary>
    public Task<string?> SetRoleAsync(string id, string role) => ChangeAsync(id, async user =>
    {
        if (!Roles.All.Contains(role))
        {
            return "Choose what they may do.";
        }

        if (role != Roles.Owner && await IsLastOwnerAsync(user))
        {
            return LastOwner;
        }

        await users.RemoveFromRolesAsync(user, await users.GetRolesAsync(user));
        await users.AddToRoleAsync(user, role);
        return null;
    });

    /// <summary>Blocks an account or lets it in again; what the person logged stays theirs.</summary>
    public Task<string?> BlockAsync(string id, bool blocked) => ChangeAsync(id, async user =>
    {
        if (blocked && await IsLastOwnerAsync(user))
        {
            return LastOwner;
        }

        await users.SetLockoutEnabledAsync(user, true);
        await users.SetLockoutEndDateAsync(user, blocked ? DateTimeOffset.MaxValue : null);
        if (blocked)
        {
            await EndVisitsAsync(user);
        }

        return null;
    });

    /// <summary>Removes an account for good; what was logged under its name keeps that name.</summary>
    public Task<string?> DeleteAsync(string id) => ChangeAsync(id, async user =>
    {
        if (await IsLastOwnerAsync(user))
        {
            return LastOwner;
        }

        await EndVisitsAsync(user);
        await users.DeleteAsync(user);
        return null;
    });

    /// <summary>Gives somebody a password to be used once, in place of one they forgot, and takes a lost second factor off.</summary>
    public async Task<string> GivePasswordAsync(AppUser user)
    {
        var password = string.Join('-', Enumerable.Range(0, 4).Select(_ => new string(RandomNumberGenerator.GetItems<char>("abcdefghkmnpqrstuvwxyz23456789", 4))));
        await using var all = await db.Database.BeginTransactionAsync();
        user.MustChangePassword = true;
        user.LockoutEnd = null;
        user.TwoFactorEnabled = false;
        await users.RemovePasswordAsync(user);
        await users.AddPasswordAsync(user, password);
        await EndVisitsAsync(user);
        await all.CommitAsync();
        shelf.Forget();
        return password;
    }

    private async Task<string?> ChangeAsync(string id, Func<AppUser, Task<string?>> change)
    {
        await using var all = await db.Database.BeginTransactionAsync();
        var problem = await users.FindByIdAsync(id) is { } user ? await change(user) : "There is no such person any more.";
        if (problem is null)
        {
            await all.CommitAsync();
        }

        shelf.Forget();
        return problem;
    }

    private async Task<bool> IsLastOwnerAsync(AppUser user) =>
        await users.IsInRoleAsync(user, Roles.Owner) && !(await users.GetUsersInRoleAsync(Roles.Owner)).Any(o => o.Id != user.Id && !IsBlocked(o));

    private async Task EndVisitsAsync(AppUser user)
    {
        await users.UpdateSecurityStampAsync(user);
        await db.Visits.Where(v => v.UserId == user.Id && v.EndedAt == null).ExecuteUpdateAsync(u => u.SetProperty(v => v.EndedAt, clock.GetUtcNow().UtcDateTime));
    }
}
