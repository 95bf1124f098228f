using InchBurst.Core.Season;
using InchBurst.Data;
using InchBurst.Data.Entities;

namespace InchBurst.Web.Support;

/// <summary>A squad's season as a calendar: sessions and matches, never a name of an athlete.</summary>
public static class FeedDesk
{
    public const string Type = "text/calendar";

    /// <summary>Hands the calendar to whoever knows the private address; any other address does not exist.</summary>
    public static async Task<IResult> SendAsync(string key, CalendarBook calendar, SessionBook sessions, TimeProvider clock, CancellationToken cancel) =>
        await calendar.FedAsync(key, cancel) is { } squad ? Results.Text(await TextAsync(squad, calendar, sessions, clock, cancel), Type) : Results.NotFound();

    /// <summary>The calendar as text.</summary>
    public static async Task<string> TextAsync(Squad squad, CalendarBook calendar, SessionBook sessions, TimeProvider clock, CancellationToken cancel)
    {
        var today = Desk.LocalDay(clock);
        var (from, to) = (today.AddDays(-90), today.AddDays(400));
        var entries = (await calendar.EntriesAsync(squad.Id, from, to, cancel))
            .Select(e => new CalendarOut($"entry-{e.Id}@inch-burst", e.Title, e.Kind == EntryKind.Match ? e.IsAway ? "away match" : "home match" : CalendarWords.NameOf(e.Kind), e.Where, e.Day, e.LastDay, e.Start, 90));
        var planned = (await sessions.ListAsync(from, to, cancel)).Where(s => s.SquadId == squad.Id)
            .Select(s => new CalendarOut($"session-{s.Id}@inch-burst", s.Name, string.Join(", ", new[] { s.Group, s.Cue }.Where(t => t.Length > 0)), "", s.Day, s.Day, s.Start, s.WindowMinutes));
        return CalendarFile.Write($"{squad.Name}, sprints and matches", entries.Concat(planned).OrderBy(e => e.Day).ThenBy(e => e.Uid, StringComparer.Ordinal), clock.LocalTimeZone, clock.GetUtcNow().UtcDateTime);
    }
}
