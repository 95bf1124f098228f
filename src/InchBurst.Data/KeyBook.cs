using System.Security.Cryptography;
using System.Text;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data;

/// <summary>Keys of devices that nobody signs in on: one each, named, seen, withdrawn.</summary>
public sealed class KeyBook(ClubDb db, TimeProvider clock)
{
    /// <summary>Longest name of a device.</summary>
    public const int MostLetters = 40;

    /// <summary>Most devices at once.</summary>
    public const int Most = 24;

    private const int KeyBytes = 24;
    private static readonly TimeSpan Often = TimeSpan.FromMinutes(1);

    /// <summary>Makes a key for a device.</summary>
    /// <param name="name">What the device is called.</param>
    /// <param name="by">Who makes it.</param>
    /// <param name="cancel">Gives up.</param>
    /// <returns>The key, which is told once and never again; or what is wrong with the name.</returns>
    public async Task<(string? Key, string? Wrong)> MakeAsync(string name, string by, CancellationToken cancel = default)
    {
        var called = string.Join(' ', name.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries));
        if (called.Length is 0 or > MostLetters)
        {
            return (null, called.Length == 0 ? "What is the device called, such as Gates on the home straight?" : $"At most {MostLetters} characters.");
        }

        var there = await OpenAsync(cancel);
        if (there.Any(k => k.Name.Equals(called, StringComparison.OrdinalIgnoreCase)))
        {
            return (null, $"“{called}” has a key already. Withdraw it first, or choose another name.");
        }

        if (there.Count >= Most)
        {
            return (null, $"There are keys for {Most} devices already. Withdraw one first.");
        }

        var key = SecretKey.New(KeyBytes);
        db.DeviceKeys.Add(new() { Name = called, KeyHash = SecretKey.HashOf(key), MadeAt = clock.GetUtcNow().UtcDateTime, MadeBy = by });
        await db.SaveChangesAsync(cancel);
        return (key, null);
    }

    /// <summary>Keys that let in, by name.</summary>
    public async Task<List<DeviceKey>> OpenAsync(CancellationToken cancel = default) =>
        [.. (await db.DeviceKeys.AsNoTracking().Where(k => k.WithdrawnAt == null).ToListAsync(cancel)).OrderBy(k => k.Name, StringComparer.OrdinalIgnoreCase)];

    /// <summary>Withdraws a key: from now on it lets nobody in.</summary>
    /// <returns>False when there is none such, or it is withdrawn.</returns>
    public async Task<bool> WithdrawAsync(int id, CancellationToken cancel = default) =>
        await db.DeviceKeys.Where(k => k.Id == id && k.WithdrawnAt == null).ExecuteUpdateAsync(u => u.SetProperty(k => k.WithdrawnAt, clock.GetUtcNow().UtcDateTime), cancel) > 0;

    /// <summary>True where a key lets in: that of a device, which is noted as seen, or the one that an older program made for the whole club.</summary>
    /// <param name="key">What the device shows.</param>
    /// <param name="cancel">Gives up.</param>
    public async Task<bool> LetsInAsync(string key, CancellationToken cancel = default)
    {
        var hash = SecretKey.HashOf(key);
        if (await db.DeviceKeys.AsNoTracking().FirstOrDefaultAsync(k => k.KeyHash == hash && k.WithdrawnAt == null, cancel) is { } known)
        {
            var now = clock.GetUtcNow().UtcDateTime;
            if (known.SeenAt is not { } seen || now - seen >= Often)
            {
                await db.DeviceKeys.Where(k => k.Id == known.Id).ExecuteUpdateAsync(u => u.SetProperty(k => k.SeenAt, now), cancel);
            }

            return true;
        }

        return await db.Clubs.AsNoTracking().Select(c => c.GateToken).FirstOrDefaultAsync(cancel) is { Length: > 0 } token && CryptographicOperations.FixedTimeEquals(Encoding.UTF8.GetBytes(key), Encoding.UTF8.GetBytes(token));
    }
}
