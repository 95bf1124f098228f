using InchBurst.Core.Live;
using InchBurst.Core.Log;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data;

/// <summary>One run of one lane as gates report it.</summary>
/// <param name="Client">Made by the gates, so that reporting twice stores once.</param>
/// <param name="Lane">Lane, from 1; 0 when they do not say.</param>
/// <param name="Passes">Passes by one clock.</param>
/// <param name="Gates">How many gates stand; 0 when they do not say.</param>
/// <param name="Ago">How long ago it was run.</param>
/// <param name="Note">What was left out and why.</param>
/// <param name="Start">What was told of the start; null where nothing was.</param>
public sealed record GateRun(Guid Client, int Lane, IReadOnlyList<GatePass> Passes, int Gates, TimeSpan Ago, string? Note, GateStart? Start = null);

/// <summary>A session whose clock runs, as gates need to know it.</summary>
/// <param name="Session">Number to send to.</param>
/// <param name="Name">Name.</param>
/// <param name="Gates">Where gates are expected on the line that is on, m from the start; none on a line that is not timed.</param>
/// <param name="Lanes">Lanes.</param>
public sealed record RunningSession(int Session, string Name, IReadOnlyList<double> Gates, int Lanes);

/// <summary>Runs as timing gates report them.</summary>
public sealed partial class TracksideBook
{
    /// <summary>Takes what timing gates report, once however often it is reported, also under another number.</summary>
    /// <returns>False when the session is not running.</returns>
    public async Task<bool> ReportAsync(int sessionId, IReadOnlyList<GateRun> runs, CancellationToken cancel = default)
    {
        if (!await db.Sessions.AnyAsync(s => s.Id == sessionId && s.State == SessionState.Running, cancel))
        {
            return false;
        }

        await StepAsync(
            async () =>
            {
                var isNew = false;
                foreach (var run in runs)
                {
                    var passes = System.Text.Json.JsonSerializer.Serialize(run.Passes);
                    if (!await db.GateReadings.AnyAsync(g => g.ClientId == run.Client || (g.SessionId == sessionId && g.Lane == run.Lane && g.PassesJson == passes), cancel))
                    {
                        var now = clock.GetUtcNow().UtcDateTime;
                        db.GateReadings.Add(new() { ClientId = run.Client, SessionId = sessionId, At = now, RanAt = now - run.Ago, Lane = run.Lane, Gates = run.Gates, Note = run.Note ?? "", PassesJson = passes, GoMilliseconds = run.Start?.GoMilliseconds, MovedMilliseconds = run.Start?.MovedMilliseconds });
                        isNew = true;
                    }
                }

                if (isNew)
                {
                    await db.SaveChangesAsync(cancel);
                    changed[sessionId] = running.Get(sessionId) is { } state ? (state, new LiveChange { IsWide = true }) : null;
                }

                return true;
            },
            cancel);

        return true;
    }

    /// <summary>Sessions whose clock runs, for gates that look for theirs: with the gates a line expects, from the start outwards, in m.</summary>
    public async Task<IReadOnlyList<RunningSession>> RunningAsync(CancellationToken cancel = default)
    {
        var found = new List<RunningSession>();
        foreach (var id in await db.Sessions.Where(s => s.State == SessionState.Running).OrderBy(s => s.Id).Select(s => s.Id).ToListAsync(cancel))
        {
            if (await LoadAsync(id) is { } live)
            {
                var line = live.State.LineId is { } on ? live.Plan.Line(on) : null;
                var marks = line is null ? [] : Core.Demand.LineMarks.Expected(Core.Demand.LineDemand.Of(line, catalogue.Current(db)));
                found.Add(new(id, live.Session.Name, marks.Count == 0 ? [] : [0, .. marks.Select(m => m.Metres)], live.State.Lanes));
            }
        }

        return found;
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
        db.GateReadings.AsNoTracking().Where(g => g.SessionId == sessionId && g.UsedFor == null).OrderBy(g => g.RanAt).ThenBy(g => g.Id).FirstOrDefaultAsync(cancel);
}
