using System.Net;
using System.Text;
using AngleSharp.Dom;
using InchBurst.Core.Season;
using InchBurst.Data;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace InchBurst.Web.Tests;

/// <summary>Calendar files with zones, summer time and repeats, read and written through the library; damaged ones are refused whole.</summary>
public class CalendarFileTests
{
    private static readonly TimeZoneInfo Oslo = TimeZoneInfo.FindSystemTimeZoneById("Europe/Oslo");
    private static readonly DateOnly From = new(2026, 9, 1);
    private static readonly DateOnly To = new(2027, 6, 30);

    private static string File(params string[] events) => "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//club//EN\r\n" + string.Concat(events.Select(e => $"BEGIN:VEVENT\r\nDTSTAMP:20260801T000000Z\r\n{e.ReplaceLineEndings("\r\n")}\r\nEND:VEVENT\r\n")) + "END:VCALENDAR\r\n";

    private static IReadOnlyList<CalendarEvent> Read(params string[] events)
    {
        var read = CalendarFile.Read(File(events), From, To, Oslo);
        Assert.Null(read.Problem);
        return read.Events;
    }

    [Theory]
    [InlineData("DTSTART:20261005T170000Z", "2026-10-05 19:00")]
    [InlineData("DTSTART:20261102T170000Z", "2026-11-02 18:00")]
    [InlineData("DTSTART;TZID=Europe/Oslo:20261005T190000", "2026-10-05 19:00")]
    [InlineData("DTSTART;TZID=America/New_York:20261005T190000", "2026-10-06 01:00")]
    [InlineData("DTSTART;TZID=America/New_York:20261028T130000", "2026-10-28 18:00")]
    [InlineData("DTSTART:20261005T190000", "2026-10-05 19:00")]
    [InlineData("DTSTART;VALUE=DATE:20261005", "2026-10-05 ")]
    [InlineData("DTSTART;TZID=Asia/Tokyo:20270328T093000", "2027-03-28 02:30")]
    public void Times_stand_in_the_club_s_own_zone_whatever_they_were_written_in(string start, string expected)
    {
        // 28 October: Oslo is back on winter time, New York not yet. 28 March 2027: summer time begins in Oslo at 02:00, Tokyo's 09:30 is 00:30 UTC, 01:30 before the change.
        var e = Assert.Single(Read($"UID:a\n{start}\nSUMMARY:v Tidemoor"));
        var shown = $"{e.Day:yyyy-MM-dd} {e.Start:HH:mm}";
        Assert.Equal(start.Contains("Tokyo", StringComparison.Ordinal) ? "2027-03-28 01:30" : expected, shown);
    }

    [Fact]
    public void Repeats_keep_their_hour_over_the_change_of_summer_time_and_exceptions_are_kept()
    {
        var events = Read("UID:w\nDTSTART;TZID=Europe/Oslo:20261014T180000\nDTEND;TZID=Europe/Oslo:20261014T190000\nRRULE:FREQ=WEEKLY;COUNT=5\nEXDATE;TZID=Europe/Oslo:20261104T180000\nSUMMARY:Game night", "UID:w\nRECURRENCE-ID;TZID=Europe/Oslo:20261021T180000\nDTSTART;TZID=Europe/Oslo:20261022T200000\nDTEND;TZID=Europe/Oslo:20261022T210000\nSUMMARY:Game night moved");
        Assert.Equal(["14 18:00", "22 20:00", "28 18:00", "11 18:00"], events.Select(e => $"{e.Day.Day} {e.Start:HH:mm}"));
        Assert.Equal(4, events.Select(e => e.Occurrence).Distinct().Count());
        Assert.All(events, e => Assert.Equal("w", e.Uid));
    }

    [Fact]
    public void Whole_days_end_on_their_last_one_and_a_late_end_is_still_that_evening()
    {
        Assert.Equal((new DateOnly(2026, 12, 21), new DateOnly(2027, 1, 3)), Read("UID:h\nDTSTART;VALUE=DATE:20261221\nDTEND;VALUE=DATE:20270104\nSUMMARY:Holidays").Select(e => (e.Day, e.LastDay)).Single());
        Assert.Equal((new DateOnly(2026, 12, 5), new DateOnly(2026, 12, 5)), Read("UID:l\nDTSTART;TZID=Europe/Oslo:20261205T210000\nDTEND;TZID=Europe/Oslo:20261206T003000\nSUMMARY:v Late").Select(e => (e.Day, e.LastDay)).Single());
        Assert.Equal((new DateOnly(2026, 12, 5), new DateOnly(2026, 12, 7)), Read("UID:c\nDTSTART;TZID=Europe/Oslo:20261205T090000\nDTEND;TZID=Europe/Oslo:20261207T150000\nSUMMARY:Camp").Select(e => (e.Day, e.LastDay)).Single());
        Assert.True(Read("UID:x\nSTATUS:CANCELLED\nDTSTART:20261205T090000Z\nSUMMARY:v Off").Single().IsCancelled);
        Assert.Equal(("", "Hall"), Read("UID:n\nDTSTART:20261205T090000Z\nLOCATION:Hall").Select(e => (e.Title, e.Where)).Single());
        Assert.Equal(120, Read($"UID:long\nDTSTART:20261205T090000Z\nSUMMARY:{new string('x', 300)}").Single().Title.Length);
    }

    public static TheoryData<string, string> Damaged()
    {
        var whole = File("UID:a\nDTSTART:20261005T170000Z\nSUMMARY:v Tidemoor", "UID:b\nDTSTART;TZID=Europe/Oslo:20261012T190000\nRRULE:FREQ=WEEKLY;COUNT=4\nSUMMARY:v Saltbridge");
        string Cut(double share) => whole[..(int)(whole.Length * share)];
        string With(string e) => File(e);
        return new()
        {
            { "", "empty" },
            { "   \r\n\r\n", "empty" },
            { "hello", "no calendar file" },
            { "Day;Time;Against\r\n5.10.;19:00;Tidemoor", "no calendar file" },
            { "<html><body>Sign in</body></html>", "no calendar file" },
            { "{\"events\": []}", "no calendar file" },
            { "PK\u0003\u0004\0\0\0", "no calendar file" },
            { "BEGIN:VEVENT\r\nEND:VEVENT\r\n", "no calendar file" },
            { "BEGIN:VCARD\r\nFN:Somebody\r\nEND:VCARD\r\n", "no calendar file" },
            { Cut(0.3), "cut off" },
            { Cut(0.5), "" },
            { Cut(0.7), "" },
            { Cut(0.9), "" },
            { whole.Replace("END:VEVENT", "", StringComparison.Ordinal), "" },
            { whole.Replace("END:VCALENDAR", "", StringComparison.Ordinal), "cut off" },
            { whole.Replace("BEGIN:VEVENT", "", StringComparison.Ordinal), "was not begun" },
            { whole + "and more", "cannot be read" },
            { whole.Replace("SUMMARY:v Tidemoor", "SUMMARY v Tidemoor", StringComparison.Ordinal), "cannot be read" },
            { "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nEND:VCALENDAR\r\n", "no event" },
            { With("UID:a\nDTSTART:not a day\nSUMMARY:x"), "" },
            { With("UID:a\nDTSTART:20261399T250000Z\nSUMMARY:x"), "" },
            { With("UID:a\nDTSTART:20260231T120000\nSUMMARY:x"), "" },
            { With("UID:a\nSUMMARY:no start"), "" },
            { With("UID:a\nDTSTART;TZID=Nowhere/Land:20261005T170000\nSUMMARY:x"), "" },
            { With("UID:a\nDTSTART:20261005T170000Z\nRRULE:FREQ=SOMETIMES\nSUMMARY:x"), "" },
            { With("UID:a\nDTSTART:20261005T170000Z\nRRULE:FREQ=WEEKLY;COUNT=minus\nSUMMARY:x"), "" },
            { With("UID:a\nDTSTART:20261005T170000Z\nRRULE:FREQ=MINUTELY\nSUMMARY:x"), "More than 400" },
            { With("UID:a\nDTSTART:19990101T170000Z\nSUMMARY:long ago"), "No event of this file lies in that time" },
            { With("UID:a\nDTSTART:20261005T170000Z\nDTEND:20261305T170000Z\nSUMMARY:x"), "" },
            { With("UID:" + new string('u', 300) + "\nDTSTART:20261005T170000Z\nSUMMARY:x"), "no name of its own" },
            { new string('x', CalendarFile.MostCharacters + 1), "too large" },
        };
    }

    [Theory]
    [MemberData(nameof(Damaged))]
    public void A_damaged_file_is_refused_with_a_clear_word_and_gives_nothing(string text, string word)
    {
        var read = CalendarFile.Read(text, From, To, Oslo);
        Assert.True(read.Problem is not null, string.Join("; ", read.Events.Select(e => $"{e.Title} {e.Day}")));
        Assert.Empty(read.Events);
        Assert.Contains(word, read.Problem, StringComparison.OrdinalIgnoreCase);
        Assert.DoesNotContain("Exception", read.Problem, StringComparison.Ordinal);
        Assert.InRange(read.Problem.Length, 10, 160);
    }

    [Fact]
    public void What_goes_out_comes_in_again_as_it_was_over_summer_time_too()
    {
        CalendarOut[] sent =
        [
            new("one", "Tuesday starts", "tall hips", "", new(2026, 10, 20), new(2026, 10, 20), new(18, 0), 60),
            new("two", "Tuesday starts, winter; with, signs", "", "Hall 2; left", new(2026, 10, 27), new(2026, 10, 27), new(18, 0), 60),
            new("three", "Midwinter break", "", "", new(2026, 12, 21), new(2027, 1, 3), null, 0),
            new("four", "Skipped hour", "", "", new(2027, 3, 28), new(2027, 3, 28), new(2, 30), 30),
        ];
        var text = CalendarFile.Write("Sprints", sent, Oslo, new DateTime(2026, 9, 1, 0, 0, 0, DateTimeKind.Utc));

        // Another program reads it through the library and sees the moments they are: 16:00 UTC in summer time, 17:00 after it.
        var calendar = Ical.Net.Calendar.Load(text)!;
        Assert.Equal(new DateTime(2026, 10, 20, 16, 0, 0), calendar.Events.Single(e => e.Uid == "one").Start!.AsUtc);
        Assert.Equal(new DateTime(2026, 10, 27, 17, 0, 0), calendar.Events.Single(e => e.Uid == "two").Start!.AsUtc);
        Assert.Equal("Hall 2; left", calendar.Events.Single(e => e.Uid == "two").Location);

        var read = CalendarFile.Read(text, From, To, Oslo);
        Assert.Null(read.Problem);
        Assert.Equal(sent.Select(s => (s.Uid, s.Title, s.Where, s.Day, s.LastDay, Start: s.Uid == "four" ? new TimeOnly(3, 30) : s.Start)), read.Events.Select(e => (e.Uid, e.Title, e.Where, e.Day, e.LastDay, e.Start)));
    }
}

/// <summary>The calendar, minutes and groups on the demo club's file.</summary>
public sealed class CalendarTests : IAsyncLifetime
{
    private TestHouse house = null!;
    private Visitor coach = null!;

    public async ValueTask InitializeAsync()
    {
        house = await TestHouse.OpenAsync(demo: true);
        coach = await house.CoachAsync();
    }

    public ValueTask DisposeAsync() => house.DisposeAsync();

    private static DateOnly Today => DateOnly.FromDateTime(DateTime.Now);

    private Task<List<CalendarEntry>> EntriesAsync() => house.InDbAsync(db => db.CalendarEntries.AsNoTracking().Where(e => e.SquadId == 1).OrderBy(e => e.Day).ToListAsync());

    private static (string, string)[] Entry(string title, DateOnly day, int id = 0, int version = 0, string kind = "Match", string last = "", string importance = "2") =>
        [("Input.Id", $"{id}"), ("Input.Version", $"{version}"), ("Input.Kind", kind), ("Input.Title", title), ("Input.Day", $"{day:yyyy-MM-dd}"), ("Input.LastDay", last), ("Input.Start", "19:30"), ("Input.Importance", importance), ("Input.IsAway", "true"), ("Input.TravelMinutes", "45"), ("Input.Where", "Over there")];

    [Fact]
    public async Task Entries_are_typed_changed_removed_and_brought_back()
    {
        var before = (await EntriesAsync()).Count;
        Assert.Equal(HttpStatusCode.Redirect, (await coach.PostAsync("/Season/Calendar", "/Season/Calendar", Entry("v Greyhaven", Today.AddDays(5)))).Code);
        var made = (await EntriesAsync()).Single(e => e.Title == "v Greyhaven");
        Assert.Equal((EntryKind.Match, Today.AddDays(5), new TimeOnly(19, 30), true, 45, "Over there"), (made.Kind, made.Day, made.Start, made.IsAway, made.TravelMinutes, made.Where));
        var edit = await coach.PageAsync($"/Season/Calendar?edit={made.Id}");
        Assert.Equal("v Greyhaven", edit.QuerySelector("#Input_Title")!.GetAttribute("value"));

        // A second hand that opened it before is told and loses nothing it typed.
        await coach.PostAsync("/Season/Calendar", "/Season/Calendar", Entry("v Greyhaven II", Today.AddDays(6), made.Id, made.Version));
        var (code, page, _) = await coach.PostAsync("/Season/Calendar", "/Season/Calendar", Entry("v Greyhaven late", Today.AddDays(7), made.Id, made.Version));
        Assert.Equal(HttpStatusCode.OK, code);
        Assert.Contains("Somebody else changed this meanwhile", page.Body!.TextContent);
        Assert.Equal("v Greyhaven late", page.QuerySelector("#Input_Title")!.GetAttribute("value"));
        Assert.Equal("v Greyhaven II", (await EntriesAsync()).Single(e => e.Id == made.Id).Title);

        await coach.PostAsync("/Season/Calendar", "/Season/Calendar?handler=Remove", ("id", $"{made.Id}"));
        Assert.Equal(before, (await EntriesAsync()).Count);
        await coach.PostAsync("/Season/Calendar", "/Season/Calendar?handler=BringBack", ("id", $"{made.Id}"));
        Assert.Equal(before + 1, (await EntriesAsync()).Count);
    }

    [Theory]
    [InlineData("", "", "2", "What is it called?")]
    [InlineData("x", "2020-01-01", "2", "before the first day")]
    [InlineData("x", "", "7", "Friendly, usual or one that decides.")]
    public async Task A_wrong_entry_is_told_beside_its_field_and_stores_nothing(string title, string last, string importance, string word)
    {
        var before = (await EntriesAsync()).Count;
        var (code, page, _) = await coach.PostAsync("/Season/Calendar", "/Season/Calendar", Entry(title, Today, last: last, importance: importance));
        Assert.Equal(HttpStatusCode.OK, code);
        Assert.Contains(word, string.Join(' ', page.QuerySelectorAll(".field-validation-error").Select(e => e.TextContent)), StringComparison.Ordinal);
        Assert.Equal("Over there", page.QuerySelector("#Input_Where")!.GetAttribute("value"));
        Assert.Equal(before, (await EntriesAsync()).Count);
    }

    private static string Ics(string summary, DateOnly day, string more = "") => $"BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//x//EN\r\nBEGIN:VEVENT\r\nUID:m1\r\nDTSTAMP:20260801T000000Z\r\nDTSTART:{day:yyyyMMdd}T170000Z\r\nSUMMARY:{summary}\r\nEND:VEVENT\r\n{more}BEGIN:VEVENT\r\nUID:t1\r\nDTSTAMP:20260801T000000Z\r\nDTSTART;VALUE=DATE:{day:yyyyMMdd}\r\nRRULE:FREQ=WEEKLY;COUNT=3\r\nSUMMARY:Gym training\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n";

    private Task<(HttpStatusCode Code, IDocument Page, HttpResponseMessage Response)> StoreAsync(string text, params (string, string)[] more) =>
        coach.PostAsync("/Season/Import", "/Season/Import?handler=Store", [("text", text), ("from", $"{Today:yyyy-MM-dd}"), ("to", $"{Today.AddDays(90):yyyy-MM-dd}"), .. more]);

    [Fact]
    public async Task A_file_is_shown_first_then_stored_and_read_again_it_updates_and_never_doubles()
    {
        var before = (await EntriesAsync()).Count;
        var day = Today.AddDays(12);
        var preview = (await coach.PostAsync("/Season/Import", "/Season/Import", ("text", Ics("Cup v Greyhaven (A)", day)), ("from", $"{Today:yyyy-MM-dd}"), ("to", $"{Today.AddDays(90):yyyy-MM-dd}"))).Page;
        var kinds = preview.QuerySelectorAll(".import-rows tbody tr").Select(r => r.QuerySelector("option[selected]")?.TextContent ?? "left out").ToList();
        Assert.Equal(4, kinds.Count);
        Assert.Single(kinds, "match");
        Assert.Equal(3, kinds.Count(k => k == "left out"));
        Assert.Equal(before, (await EntriesAsync()).Count);

        var at = preview.QuerySelectorAll(".import-rows tbody tr").ToList().FindIndex(r => r.TextContent.Contains("Greyhaven", StringComparison.Ordinal));
        await StoreAsync(Ics("Cup v Greyhaven (A)", day), ($"kind-{at}", "Match"));
        var made = (await EntriesAsync()).Single(e => e.Uid == "m1");
        Assert.Equal((3, true, day), (made.Importance, made.IsAway, made.Day));
        await coach.PostAsync("/Season/Calendar", "/Season/Calendar", Entry("Cup v Greyhaven (A)", day, made.Id, made.Version, importance: "1"));

        // The league moves it by a day: the same entry, with what the coach said of it.
        var again = await StoreAsync(Ics("Cup v Greyhaven (A)", day.AddDays(1)), ("kind-0", ""), ("kind-1", "Match"), ("kind-2", ""), ("kind-3", ""));
        Assert.Contains("0 added, 1 changed", Uri.UnescapeDataString(again.Response.Headers.Location!.OriginalString), StringComparison.Ordinal);
        var moved = (await EntriesAsync()).Single(e => e.Uid == "m1");
        Assert.Equal((made.Id, day.AddDays(1), 1), (moved.Id, moved.Day, moved.Importance));
        Assert.Equal(before + 1, (await EntriesAsync()).Count);
        var same = await StoreAsync(Ics("Cup v Greyhaven (A)", day.AddDays(1)), ("kind-0", ""), ("kind-1", "Match"), ("kind-2", ""), ("kind-3", ""));
        Assert.Contains("0 added, 0 changed, 1 as they were", Uri.UnescapeDataString(same.Response.Headers.Location!.OriginalString), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_damaged_file_stores_nothing_and_says_so()
    {
        var before = (await EntriesAsync()).Count;
        var text = Ics("v Greyhaven", Today.AddDays(3));
        var (code, page, _) = await StoreAsync(text.Replace("END:VCALENDAR", "", StringComparison.Ordinal), ("kind-0", "Match"), ("kind-1", "Match"));
        Assert.Equal(HttpStatusCode.OK, code);
        Assert.Contains("cut off", page.QuerySelector(".import .wrong")!.TextContent, StringComparison.Ordinal);
        Assert.Equal(before, (await EntriesAsync()).Count);
        Assert.Contains("Choose a file first", (await coach.PostAsync("/Season/Import", "/Season/Import")).Page.QuerySelector(".import .wrong")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("before the first", (await coach.PostAsync("/Season/Import", "/Season/Import", ("text", text), ("from", "2026-12-01"), ("to", "2026-11-01"))).Page.QuerySelector(".import .wrong")!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Minutes_are_entered_on_one_screen_and_groups_follow_and_can_be_overruled()
    {
        var match = (await EntriesAsync()).Last(e => e.Kind == EntryKind.Match && e.Day < Today);
        Task<Dictionary<string, PlayingGroup>> Groups() => house.InDbAsync(db => db.Athletes.Where(a => a.SquadId == 1).ToDictionaryAsync(a => a.Name, a => a.Playing));
        var groups = await Groups();
        Assert.Equal((PlayingGroup.HighMinutes, PlayingGroup.LowMinutes), (groups["Noor Haddadin"], groups["Amara Ezeokoli"]));
        var page = await coach.PageAsync($"/Season/Minutes?match={match.Id}");
        Assert.Equal(14, page.QuerySelectorAll(".minutes tbody tr").Length);

        // A figure that is none is told beside it; nothing else that was typed is lost or stored.
        var athletes = await house.InDbAsync(db => db.Athletes.Where(a => a.SquadId == 1).Select(a => new { a.Id, a.Name }).ToListAsync());
        var amara = athletes.Single(a => a.Name == "Amara Ezeokoli").Id;
        var (code, wrong, _) = await coach.PostAsync($"/Season/Minutes?match={match.Id}", $"/Season/Minutes?match={match.Id}", [.. athletes.Select(a => ($"m-{a.Id}", a.Id == amara ? "sixty" : "33"))]);
        Assert.Equal(HttpStatusCode.OK, code);
        Assert.Contains("Whole minutes from 0 to 240", wrong.QuerySelector($"#m-{amara} + .wrong")!.TextContent, StringComparison.Ordinal);
        Assert.Equal("33", wrong.QuerySelector("#m-1")!.GetAttribute("value"));

        // Four matches at 240 minutes carry anybody over; who is left empty has not played.
        foreach (var m in (await EntriesAsync()).Where(e => e.Kind == EntryKind.Match && e.Day < Today).TakeLast(4))
        {
            await coach.PostAsync($"/Season/Minutes?match={m.Id}", $"/Season/Minutes?match={m.Id}", ($"m-{amara}", "60"), ($"c-{amara}", "on"), ("m-1", ""));
        }

        groups = await Groups();
        Assert.Equal((PlayingGroup.LowMinutes, PlayingGroup.HighMinutes), (groups["Noor Haddadin"], groups["Amara Ezeokoli"]));
        await house.InDbAsync(db => db.Athletes.Where(a => a.Id == 1).ExecuteUpdateAsync(u => u.SetProperty(a => a.Group, PlayingGroup.HighMinutes)));
        Assert.Equal(PlayingGroup.HighMinutes, (await Groups())["Noor Haddadin"]);

        // The coach's word moves the clock; a match that is taken away takes it back.
        async Task<DateOnly?> Last()
        {
            await using var scope = house.Services.CreateAsyncScope();
            return (await scope.ServiceProvider.GetRequiredService<SquadBook>().RowsAsync(1, Today)).Single(r => r.Athlete.Id == amara).Clock is { IsByWord: true } clock ? clock.Last : null;
        }

        await house.InDbAsync(db => db.Runs.Where(r => r.AthleteId == amara).ExecuteDeleteAsync());
        Assert.Equal(match.Day, await Last());
        await coach.PostAsync("/Season/Calendar", "/Season/Calendar?handler=Remove", ("id", $"{match.Id}"));
        Assert.True(await Last() < match.Day);
        Assert.Equal(HttpStatusCode.NotFound, (await coach.GetAsync("/Season/Minutes?match=99999")).Code);
    }

    [Fact]
    public async Task Two_helpers_enter_one_match_and_neither_loses_what_the_other_typed()
    {
        var matchId = (await EntriesAsync()).Last(e => e.Kind == EntryKind.Match && e.Day < Today).Id;
        var url = $"/Season/Minutes?match={matchId}";
        var page = await coach.PageAsync(url);
        var opened = page.QuerySelector("input[name=opened]")!.GetAttribute("value")!;
        (string, string)[] Form(params (string Name, string Value)[] changed) =>
        [
            ("opened", opened), .. page.QuerySelectorAll(".minutes input[inputmode=numeric]").Select(i => i.GetAttribute("name")!).Select(n => (n, changed.FirstOrDefault(c => c.Name == n) is { Name: not null } own ? own.Value : page.QuerySelector($"#{n}")!.GetAttribute("value") ?? "")),
            .. page.QuerySelectorAll(".minutes input[type=checkbox][checked]").Select(i => (i.GetAttribute("name")!, "on")),
        ];
        Task<Dictionary<int, int>> Stored() => house.InDbAsync(db => db.PlayedMinutes.Where(m => m.EntryId == matchId).ToDictionaryAsync(m => m.AthleteId, m => m.Minutes));
        var before = await Stored();
        Assert.Equal(HttpStatusCode.Redirect, (await coach.PostAsync(url, url, Form(("m-1", "11")))).Code);
        Assert.Equal(HttpStatusCode.Redirect, (await coach.PostAsync(url, url, Form(("m-3", "33")))).Code);
        var now = await Stored();
        Assert.Equal((11, 33, before[2]), (now[1], now[3], now[2]));
        var (code, both, _) = await coach.PostAsync(url, url, Form(("m-1", "44")));
        Assert.Equal(HttpStatusCode.OK, code);
        Assert.Contains("Changed meanwhile by somebody else to “11”", both.QuerySelector("#m-1 + .wrong")!.TextContent, StringComparison.Ordinal);
        Assert.Equal("44", both.QuerySelector("#m-1")!.GetAttribute("value"));
        Assert.Equal(11, (await Stored())[1]);
    }

    [Fact]
    public async Task Places_times_and_groups_are_kept_with_clear_words_for_what_is_wrong()
    {
        var wrong = (await coach.PostAsync("/Season/Calendar", "/Season/Calendar?handler=Place", ("name", "Harbour hall"), ("lanes", "many"), ("straight", "60"), ("runOut", "20"), ("surface", "Hall"))).Page;
        Assert.Contains("From 1 to 20 lanes", wrong.QuerySelector("#p-lanes + .wrong")!.TextContent, StringComparison.Ordinal);
        Assert.Equal("many", wrong.QuerySelector("#p-lanes")!.GetAttribute("value"));
        Assert.Contains("a place “Harbour hall” already", (await coach.PostAsync("/Season/Calendar", "/Season/Calendar?handler=Place", ("name", "Harbour hall"), ("lanes", "2"), ("straight", "60"), ("runOut", "20"), ("surface", "Hall"))).Page.QuerySelector("#name + .wrong")!.TextContent, StringComparison.Ordinal);
        await coach.PostAsync("/Season/Calendar", "/Season/Calendar?handler=Place", ("name", "Beach"), ("lanes", "3"), ("straight", "80,5"), ("runOut", "20"), ("surface", "Sand"));
        var beach = await house.InDbAsync(db => db.Places.SingleAsync(p => p.Name == "Beach"));
        Assert.Equal(80.5, beach.StraightMetres);
        await coach.PostAsync("/Season/Calendar", "/Season/Calendar?handler=Slot", ("weekday", "Sunday"), ("start", "09:15"), ("minutes", "50"), ("place", $"{beach.Id}"));
        Assert.Contains("From 15 to 240", (await coach.PostAsync("/Season/Calendar", "/Season/Calendar?handler=Slot", ("weekday", "Sunday"), ("start", "09:15"), ("minutes", "5"), ("place", $"{beach.Id}"))).Page.Body!.TextContent, StringComparison.Ordinal);

        // A new session of that day takes time and place from it.
        var sunday = Today.AddDays((7 - (int)Today.DayOfWeek) % 7);
        var form = await coach.PageAsync($"/Sessions/New?day={sunday:yyyy-MM-dd}");
        Assert.Equal(("09:15", "50", "3", "80.5"), (form.QuerySelector("#Input_Start")!.GetAttribute("value"), form.QuerySelector("#Input_WindowMinutes")!.GetAttribute("value"), form.QuerySelector("#Input_Lanes")!.GetAttribute("value"), form.QuerySelector("#Input_Straight")!.GetAttribute("value")));

        await coach.PostAsync("/Season/Calendar", "/Season/Calendar?handler=Group", ("id", "0"), ("name", "stays at home"), ("athlete", "1"), ("athlete", "3"));
        Assert.Contains("a group “Stays at home” already", (await coach.PostAsync("/Season/Calendar", "/Season/Calendar?handler=Group", ("id", "0"), ("name", "Stays at home"))).Page.Body!.TextContent, StringComparison.Ordinal);
        Assert.Contains("name of a playing group", (await coach.PostAsync("/Season/Calendar", "/Season/Calendar?handler=Group", ("id", "0"), ("name", "high minutes"))).Page.Body!.TextContent, StringComparison.Ordinal);

        // A session for a group expects its athletes, keeps them through a new name, and becomes everybody's when the group goes.
        await house.InDbAsync(db => db.Sessions.Where(s => s.Id == 49).ExecuteUpdateAsync(u => u.SetProperty(s => s.Group, "stays at home")));
        var here = (await coach.PageAsync("/Sessions/49/Trackside")).QuerySelectorAll("input[name=here]").Where(i => i.HasAttribute("checked")).Select(i => i.GetAttribute("value"));
        Assert.Equal(["1", "3"], here.Order());
        var group = await house.InDbAsync(db => db.OwnGroups.SingleAsync(g => g.Name == "stays at home"));
        await coach.PostAsync("/Season/Calendar", "/Season/Calendar?handler=Group", ("id", $"{group.Id}"), ("name", "stays here"), ("athlete", "1"));
        Assert.Equal("stays here", await house.InDbAsync(db => db.Sessions.Where(s => s.Id == 49).Select(s => s.Group).SingleAsync()));

        // Two have it open: one adds, the other takes out and renames; a third who saw the old name is told.
        Task<(HttpStatusCode Code, AngleSharp.Dom.IDocument Page, HttpResponseMessage Response)> Save(string name, string seen, params (string, string)[] people) => coach.PostAsync("/Season/Calendar", "/Season/Calendar?handler=Group", [("id", $"{group.Id}"), ("name", name), ("openedName", seen), ("opened", "1"), .. people]);
        await Save("stays here", "stays here", ("athlete", "1"), ("athlete", "3"));
        await Save("at home", "stays here", ("athlete", "4"));
        await Save("stays here", "stays here", ("athlete", "1"), ("athlete", "5"));
        var both = await house.InDbAsync(db => db.OwnGroups.Include(g => g.Athletes).SingleAsync(g => g.Id == group.Id));
        Assert.Equal(("at home", "3,4,5"), (both.Name, string.Join(',', both.Athletes.Select(a => a.Id).Order())));
        Assert.Contains("called this group “at home” meanwhile", (await Save("at the hall", "stays here", ("athlete", "1"))).Page.Body!.TextContent, StringComparison.Ordinal);
        await coach.PostAsync("/Season/Calendar", "/Season/Calendar?handler=DropGroup", ("id", $"{group.Id}"));
        Assert.Equal("", await house.InDbAsync(db => db.Sessions.Where(s => s.Id == 49).Select(s => s.Group).SingleAsync()));
    }

    [Fact]
    public async Task The_private_address_gives_the_calendar_without_names_and_is_taken_back()
    {
        await coach.PostAsync("/Season/Calendar", "/Season/Calendar?handler=Feed", ("on", "true"));
        var key = await house.InDbAsync(db => db.Squads.Where(s => s.Id == 1).Select(s => s.FeedKey).SingleAsync());
        Assert.Equal(32, key.Length);
        var stranger = house.Visitor();
        var (code, _, response) = await stranger.GetAsync($"/feed/{key}.ics");
        Assert.Equal((HttpStatusCode.OK, "text/calendar"), (code, response.Content.Headers.ContentType!.MediaType));
        var text = Encoding.UTF8.GetString(await response.Content.ReadAsByteArrayAsync()).Replace("\r\n ", "", StringComparison.Ordinal);
        var read = CalendarFile.Read(text, Today.AddDays(-30), Today.AddDays(60), TimeZoneInfo.Local);
        Assert.Null(read.Problem);
        Assert.Contains(read.Events, e => e.Title.Contains("Fjordhaven", StringComparison.Ordinal) || e.Title.Contains("Kestrel Bay", StringComparison.Ordinal));
        Assert.Contains(read.Events, e => e.Title.EndsWith("top speed", StringComparison.Ordinal));
        Assert.All(await house.InDbAsync(db => db.Athletes.Select(a => a.Name).ToListAsync()), name => Assert.DoesNotContain(name, text, StringComparison.Ordinal));
        Assert.Equal(HttpStatusCode.NotFound, (await stranger.GetAsync($"/feed/{new string('0', 32)}.ics")).Code);
        await coach.PostAsync("/Season/Calendar", "/Season/Calendar?handler=Feed", ("on", "false"));
        Assert.Equal(HttpStatusCode.NotFound, (await stranger.GetAsync($"/feed/{key}.ics")).Code);
        Assert.NotEqual(HttpStatusCode.OK, (await stranger.GetAsync("/feed/.ics")).Code);
    }
}
