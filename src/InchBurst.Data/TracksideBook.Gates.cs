using InchBurst.Core.Live;
using InchBurst.Core.Log;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data;

/// <summary>Runs as timing gates report them.</summary>
public sealed partial class TracksideBook
{
    /// <summary>Takes a run from timing gates, once however often it is reported.</summary>
    /// <returns>False when the session is not running.</returns>
    public async Task<bool> ReportAsync(int sessionId, Guid client, int lane, IReadOnlyList<GatePass> passes, CancellationToken cancel = default)
    {
        if (!await db.Sessions.AnyAsync(s => s.Id == sessionId && s.State == SessionState.Running, cancel))
        {
            return false;
        }

        await StepAsync(
            async () =>
            {
                if (!await db.GateReadings.AnyAsync(g => g.ClientId == client, cancel))
                {
                    db.GateReadings.Add(new() { ClientId = client, SessionId = sessionId, At = clock.GetUtcNow().UtcDateTime, Lane = lane, PassesJson = System.Text.Json.JsonSerializer.Serialize(passes) });
                    await db.SaveChangesAsync(cancel);
                    changed[sessionId] = running.Get(sessionId) is { } state ? (state, new LiveChange { IsWide = true }) : null;
                }

                return true;
            },
            cancel);

        return true;
    }

    /// <summary>Notes that the gates of a session are alive.</summary>
    /// <returns>False when the session is not running.</returns>
    public async Task<bool> HearGatesAsync(int sessionId, string name, CancellationToken cancel = default)
    {
        var running = await db.Sessions.AnyAsync(s => s.Id == sessionId && s.State == SessionState.Running, cancel);
        if (running)
        {
            wire.Hear(sessionId, new(name, clock.GetUtcNow().UtcDateTime));
        }

        return running;
    }

    /// <summary>The oldest report of the gates that nobody has saved or dismissed, or null.</summary>
    public Task<GateReading?> NextGateAsync(int sessionId, CancellationToken cancel = default) =>
        db.GateReadings.AsNoTracking().Where(g => g.SessionId == sessionId && g.UsedFor == null).OrderBy(g => g.Id).FirstOrDefaultAsync(cancel);
}
