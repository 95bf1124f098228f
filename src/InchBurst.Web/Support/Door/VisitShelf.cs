using System.Collections.Concurrent;
using System.Security.Claims;
using InchBurst.Data;
using InchBurst.Data.Entities;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Web.Support.Door;

/// <summary>What holds for a signed-in device: who it is, what they may do, and whether it is still let in.</summary>
public sealed record Standing(string UserId, string Stamp, IReadOnlyList<string> Roles, bool MustChangePassword);

/// <summary>
/// Who is signed in where, as the file says. A role taken away, a block or an ended visit counts from the next request on: what is known is kept a few seconds at most
/// and forgotten at once by whoever changes it.
/// </summary>
public sealed class VisitShelf(TimeProvider clock)
{
    /// <summary>Claim that names the visit a cookie belongs to.</summary>
    public const string VisitClaim = "visit";

    // Another process, such as the command line, may change the file too.
    private static readonly TimeSpan Holds = TimeSpan.FromSeconds(5);
    private static readonly TimeSpan SeenEvery = TimeSpan.FromMinutes(30);
    private readonly ConcurrentDictionary<Guid, (Standing? Standing, DateTimeOffset At)> known = new();
    private readonly ConcurrentDictionary<Guid, DateTimeOffset> seen = new();

    private int forgotten;

    /// <summary>Forgets what is known, after somebody's account or visits changed; what is being read meanwhile is not kept.</summary>
    public void Forget()
    {
        Interlocked.Increment(ref forgotten);
        known.Clear();
    }

    /// <summary>What holds for a visit, or null when it is let in no more.</summary>
    /// <param name="visit">Number of the visit.</param>
    /// <param name="scopes">Where the club's file is got from when it must be asked; it is let go of at once, for a request may last as long as a screen is open.</param>
    /// <param name="cancel">Gives up.</param>
    public async Task<Standing?> OfAsync(Guid visit, IServiceScopeFactory scopes, CancellationToken cancel)
    {
        var now = clock.GetUtcNow();
        if (known.TryGetValue(visit, out var there) && now - there.At < Holds)
        {
            return there.Standing;
        }

        await using var scope = scopes.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<ClubDb>();
        var before = Volatile.Read(ref forgotten);
        var row = await db.Visits.AsNoTracking().Where(v => v.Id == visit && v.EndedAt == null)
            .Join(db.Users, v => v.UserId, u => u.Id, (v, u) => new { v.LastSeen, u.Id, u.SecurityStamp, u.LockoutEnd, u.MustChangePassword }).SingleOrDefaultAsync(cancel);
        Standing? standing = null;
        if (row is not null && !(row.LockoutEnd > now))
        {
            var roles = await db.UserRoles.Where(r => r.UserId == row.Id).Join(db.Roles, r => r.RoleId, r => r.Id, (_, r) => r.Name!).OrderBy(n => n).ToListAsync(cancel);
            standing = new(row.Id, row.SecurityStamp ?? "", roles, row.MustChangePassword);
            if (now.UtcDateTime - row.LastSeen > SeenEvery && seen.TryAdd(visit, now))
            {
                await db.Visits.Where(v => v.Id == visit).ExecuteUpdateAsync(u => u.SetProperty(v => v.LastSeen, now.UtcDateTime), cancel);
                seen.TryRemove(visit, out _);
            }
        }

        if (known.Count > 5000)
        {
            known.Clear();
        }

        if (before == Volatile.Read(ref forgotten))
        {
            known[visit] = (standing, now);
        }

        return standing;
    }

    /// <summary>Holds every request's cookie against the file.</summary>
    /// <param name="context">The cookie and the request.</param>
    public static async Task CheckAsync(CookieValidatePrincipalContext context)
    {
        var services = context.HttpContext.RequestServices;
        var standing = Guid.TryParse(context.Principal?.FindFirstValue(VisitClaim), out var visit)
            ? await services.GetRequiredService<VisitShelf>().OfAsync(visit, services.GetRequiredService<IServiceScopeFactory>(), context.HttpContext.RequestAborted)
            : null;
        var stampClaim = services.GetRequiredService<Microsoft.Extensions.Options.IOptions<IdentityOptions>>().Value.ClaimsIdentity.SecurityStampClaimType;
        if (standing is null || standing.UserId != context.Principal!.FindFirstValue(ClaimTypes.NameIdentifier) || standing.Stamp != context.Principal!.FindFirstValue(stampClaim))
        {
            context.RejectPrincipal();
            await context.HttpContext.SignOutAsync(IdentityConstants.ApplicationScheme);
            return;
        }

        context.HttpContext.Items[typeof(Standing)] = standing;
        if (!standing.Roles.SequenceEqual(context.Principal!.FindAll(ClaimTypes.Role).Select(c => c.Value).Order(StringComparer.Ordinal)))
        {
            // What they may do changed: the same person with the roles of now.
            var identity = context.Principal!.Identities.First().Clone();
            foreach (var old in identity.FindAll(ClaimTypes.Role).ToList())
            {
                identity.RemoveClaim(old);
            }

            identity.AddClaims(standing.Roles.Select(r => new Claim(ClaimTypes.Role, r)));
            context.ReplacePrincipal(new ClaimsPrincipal(identity));
            context.ShouldRenew = true;
        }
    }
}

/// <summary>Lets people in and out, and keeps note of it.</summary>
public sealed class DoorKeeper(SignInManager<AppUser> signIn, ClubDb db, VisitShelf shelf, IHttpContextAccessor http, TimeProvider clock)
{
    /// <summary>Signs somebody in on this device.</summary>
    /// <param name="user">Whom.</param>
    public async Task EnterAsync(AppUser user)
    {
        var now = clock.GetUtcNow().UtcDateTime;
        var visit = new Visit { Id = Guid.NewGuid(), UserId = user.Id, At = now, LastSeen = now, Device = DeviceWords.Of(http.HttpContext?.Request.Headers.UserAgent.ToString()) };
        db.Visits.Add(visit);
        await db.SaveChangesAsync();
        await signIn.SignInWithClaimsAsync(user, isPersistent: true, [new Claim(VisitShelf.VisitClaim, visit.Id.ToString())]);
    }

    /// <summary>Signs this device out; a copy of its cookie lets nobody in any more.</summary>
    public async Task LeaveAsync()
    {
        if (ThisVisit is { } visit)
        {
            await EndAsync(v => v.Id == visit);
        }

        await signIn.SignOutAsync();
    }

    /// <summary>The visit of this request, or null.</summary>
    public Guid? ThisVisit => Guid.TryParse(http.HttpContext?.User.FindFirstValue(VisitShelf.VisitClaim), out var visit) ? visit : null;

    /// <summary>Where somebody is signed in, the latest first.</summary>
    /// <param name="userId">Whose visits.</param>
    public Task<List<Visit>> VisitsAsync(string userId) => db.Visits.AsNoTracking().Where(v => v.UserId == userId && v.EndedAt == null).OrderByDescending(v => v.LastSeen).Take(50).ToListAsync();

    /// <summary>Ends visits; their devices are signed out at their next request.</summary>
    /// <param name="which">Which.</param>
    public async Task EndAsync(System.Linq.Expressions.Expression<Func<Visit, bool>> which)
    {
        await db.Visits.Where(which).Where(v => v.EndedAt == null).ExecuteUpdateAsync(u => u.SetProperty(v => v.EndedAt, clock.GetUtcNow().UtcDateTime));
        shelf.Forget();
    }
}

/// <summary>What a browser says of itself, in two or three words.</summary>
public static class DeviceWords
{
    private static readonly (string Sign, string Words)[] Systems = [("iPhone", "iPhone"), ("iPad", "iPad"), ("Android", "Android"), ("Windows", "Windows"), ("Mac OS", "Mac"), ("CrOS", "Chromebook"), ("Linux", "Linux")];
    private static readonly (string Sign, string Words)[] Browsers = [("Edg/", "Edge"), ("Firefox/", "Firefox"), ("HeadlessChrome/", "Chromium"), ("Chrome/", "Chrome"), ("Safari/", "Safari")];

    /// <summary>The words.</summary>
    /// <param name="agent">The browser's own text, or null.</param>
    public static string Of(string? agent)
    {
        string Find((string Sign, string Words)[] among, string usual) => among.FirstOrDefault(a => agent?.Contains(a.Sign, StringComparison.Ordinal) == true).Words ?? usual;
        return string.IsNullOrEmpty(agent) ? "a program" : $"{Find(Browsers, "a browser")} on {Find(Systems, "an unknown device")}";
    }
}
