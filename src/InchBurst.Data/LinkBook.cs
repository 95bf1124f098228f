using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data;

/// <summary>Addresses at which athletes read their own: made, opened, withdrawn.</summary>
public sealed class LinkBook(ClubDb db, TimeProvider clock)
{
    /// <summary>For how many days a link may be made.</summary>
    public static IReadOnlyList<int> Lasting { get; } = [7, 30, 90, 365];

    private const int KeyBytes = 24;

    private DateOnly Today => DateOnly.FromDateTime(clock.GetLocalNow().DateTime);

    /// <summary>Makes a link.</summary>
    /// <param name="athleteId">Whose.</param>
    /// <param name="days">For how many days, one of <see cref="Lasting"/>.</param>
    /// <param name="by">Who makes it.</param>
    /// <param name="cancel">Gives up.</param>
    /// <returns>The key, which is told once and never again.</returns>
    public async Task<string> MakeAsync(int athleteId, int days, string by, CancellationToken cancel = default)
    {
        var key = SecretKey.New(KeyBytes);
        db.AthleteLinks.Add(new() { AthleteId = athleteId, KeyHash = SecretKey.HashOf(key), MadeAt = clock.GetUtcNow().UtcDateTime, MadeBy = by, ExpiresOn = Today.AddDays(Lasting.Contains(days) ? days : Lasting[0]) });
        await db.SaveChangesAsync(cancel);
        return key;
    }

    /// <summary>Links of an athlete that still open, the newest first.</summary>
    public Task<List<AthleteLink>> OpenAsync(int athleteId, CancellationToken cancel = default) =>
        db.AthleteLinks.AsNoTracking().Where(l => l.AthleteId == athleteId && l.WithdrawnAt == null && l.ExpiresOn >= Today).OrderByDescending(l => l.Id).ToListAsync(cancel);

    /// <summary>Withdraws a link: from now on its address does not exist.</summary>
    /// <returns>False when the athlete has no such link.</returns>
    public async Task<bool> WithdrawAsync(int athleteId, int id, CancellationToken cancel = default)
    {
        if (await db.AthleteLinks.SingleOrDefaultAsync(l => l.AthleteId == athleteId && l.Id == id, cancel) is not { } link)
        {
            return false;
        }

        link.WithdrawnAt ??= clock.GetUtcNow().UtcDateTime;
        await db.SaveChangesAsync(cancel);
        return true;
    }

    /// <summary>Whose a key is, noting that it was opened today; null for one that is unknown, withdrawn, past its day, or of somebody who left.</summary>
    public async Task<(Athlete Athlete, AthleteLink Link)?> OfKeyAsync(string key, CancellationToken cancel = default)
    {
        var (hash, today) = (SecretKey.HashOf(key), Today);
        if (key.Length != KeyBytes * 4 / 3 || await db.AthleteLinks.AsNoTracking().Include(l => l.Athlete).ThenInclude(a => a!.Squad).FirstOrDefaultAsync(l => l.KeyHash == hash && l.WithdrawnAt == null && l.ExpiresOn >= today, cancel) is not { Athlete: { RetiredAt: null } athlete } link)
        {
            return null;
        }

        if (link.OpenedOn != today)
        {
            await db.AthleteLinks.Where(l => l.Id == link.Id).ExecuteUpdateAsync(u => u.SetProperty(l => l.OpenedOn, today), cancel);
        }

        return (athlete, link);
    }
}
