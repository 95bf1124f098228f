using System.Net;
using System.Text.Json;
using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Web.Tests;

/// <summary>Writing a session through the interface, on the real file.</summary>
public sealed class SessionTests : IAsyncLifetime
{
    private const string Url = "/Sessions/49";
    private TestHouse house = null!;
    private Visitor coach = null!;

    public async ValueTask InitializeAsync()
    {
        house = await TestHouse.OpenAsync(demo: true);
        coach = await house.CoachAsync();
    }

    public ValueTask DisposeAsync() => house.DisposeAsync();

    private Task<SessionPlan> PlanAsync() => house.InDbAsync(async db => PlanJson.Read((await db.Sessions.SingleAsync(s => s.Id == 49)).PlanJson));

    private Task<(HttpStatusCode Code, AngleSharp.Dom.IDocument Page, HttpResponseMessage Response)> DoAsync(string handler, params (string, string)[] fields) => coach.PostAsync(Url, $"{Url}?handler={handler}", fields);

    [Fact]
    public async Task A_line_is_added_changed_moved_removed_and_every_step_can_be_undone()
    {
        var before = PlanJson.Write(await PlanAsync());
        var added = await DoAsync("Add", ("text", "4 x 20 m @95% rest 2:00"));
        Assert.Contains("4 × 20 m @95% rest 2:00", added.Page.Body!.TextContent);
        var line = (await PlanAsync()).Lines.Last();
        await DoAsync($"Replace&line={line.Id}", ("text", "5 x 20 m @95% rest 2:00"));
        Assert.Equal(5, (await PlanAsync()).Line(line.Id)!.Reps);
        await DoAsync($"Move&line={line.Id}&steps=-1");
        Assert.NotEqual(line.Id, (await PlanAsync()).Lines.Last().Id);
        var removed = await DoAsync($"Remove&line={line.Id}");
        Assert.Contains("Removed “5 x 20 m", removed.Page.Body!.TextContent);
        for (var i = 0; i < 4; i++)
        {
            await DoAsync("Undo");
        }

        Assert.Equal(before, PlanJson.Write(await PlanAsync()));
        await DoAsync("Redo");
        Assert.Equal(4, (await PlanAsync()).Line(line.Id)!.Reps);
        // A new edit after an undo drops what had been undone.
        await DoAsync("Add", ("text", "pogos 10"));
        await DoAsync("Redo");
        Assert.Equal("pogo hops", (await PlanAsync()).Lines.Last().Exercise);
    }

    [Fact]
    public async Task A_line_that_cannot_be_read_says_where_and_stays_in_its_field()
    {
        var before = PlanJson.Write(await PlanAsync());
        var (code, page, _) = await DoAsync("Add", ("text", "4 x 20 m rset 2:00"));
        Assert.Equal(HttpStatusCode.OK, code);
        Assert.Equal("4 x 20 m rset 2:00", page.QuerySelector("#type-text")!.GetAttribute("value"));
        Assert.Equal("rset", page.QuerySelector(".problem mark")!.TextContent);
        Assert.Contains("Did you mean rest?", page.QuerySelector(".problem")!.TextContent);
        Assert.Equal(before, PlanJson.Write(await PlanAsync()));
    }

    [Fact]
    public async Task A_line_that_comes_twice_is_stored_once_and_a_refused_one_says_what_it_may_mean()
    {
        var count = (await PlanAsync()).Lines.Count();
        var first = await DoAsync("Add", ("text", "5 reps of 20 m, 2 min rest"), ("client", "a-1"));
        var again = await DoAsync("Add", ("text", "5 reps of 20 m, 2 min rest"), ("client", "a-1"));
        Assert.Equal(count + 1, (await PlanAsync()).Lines.Count());
        Assert.Equal("5 x 20 m rest 2:00", ShorthandPrinter.Print((await PlanAsync()).Lines.Last(l => l.Shape is RunShape)));
        Assert.All(new[] { first, again }, x => Assert.NotNull(x.Page.QuerySelector("[data-builder]")));
        await DoAsync("Add", ("text", "5 reps of 20 m, 2 min rest"), ("client", "a-2"));
        Assert.Equal(count + 2, (await PlanAsync()).Lines.Count());

        var refused = await DoAsync("Add", ("text", "4 x 20 m rest 3"), ("client", "a-3"));
        Assert.Equal("refused", refused.Response.Headers.GetValues("Line-State").Single());
        Assert.Equal(["4 x 20 m rest 3 min", "4 x 20 m rest 3 s"], refused.Page.QuerySelectorAll("[data-choice]").Select(c => c.GetAttribute("data-choice")));
        Assert.Equal(count + 2, (await PlanAsync()).Lines.Count());
        Assert.Equal(HttpStatusCode.NotFound, (await coach.PostAsync(Url, "/Sessions/9999?handler=Add", ("text", "4 x 20 m"), ("client", "a-4"))).Code);
    }

    [Fact]
    public async Task A_new_name_whose_kind_is_said_becomes_an_exercise_of_the_clubs_own()
    {
        var answer = await DoAsync("Add", ("text", "\"crab toss\" 3 x 8 as jumps"), ("client", "b-1"));
        Assert.Equal("again", answer.Response.Headers.GetValues("Line-State").Single());
        var drill = await coach.PageAsync("/Drills/crab toss");
        Assert.Contains("Crab toss", drill.QuerySelector("h1")!.TextContent, StringComparison.OrdinalIgnoreCase);
        await DoAsync("Add", ("text", "crab tosses"), ("client", "b-2"));
        var lines = (await PlanAsync()).Lines.Where(l => l.Exercise == "crab toss").ToList();
        Assert.Equal([3, 3], lines.Select(l => l.Reps));
        Assert.All(lines, l => Assert.Equal((WorkKind.Jumps, 8), (l.Kind, ((CountShape)l.Shape).Count)));

        // Without script the page is drawn anew.
        Assert.Equal(HttpStatusCode.Redirect, (await DoAsync("Add", ("text", "\"log roll\" 2 x 6 as strength"))).Code);

        // A range is timed at both ends.
        await DoAsync("Add", ("text", "2-4 x 20 m rest 2-3 min"), ("client", "b-3"));
        Assert.Matches(@"^\d+:\d\d–\d+:\d\d$", (await coach.PageAsync(Url)).QuerySelector("#total-time")!.TextContent);
    }

    [Fact]
    public async Task What_is_typed_is_read_back_in_words_at_once()
    {
        using var read = JsonDocument.Parse(await coach.TextAsync($"{Url}?handler=Reads&text={Uri.EscapeDataString("3 x 20 build + 10 fly + 20 slow rest 4:00")}"));
        var words = read.RootElement.GetProperty("words").EnumerateArray().Select(w => w.GetString()).ToList();
        Assert.Contains("3 reps", words);
        Assert.Contains("fly 10 m", words);
        Assert.StartsWith("adds 150 m,", read.RootElement.GetProperty("adds").GetString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_device_reads_a_line_as_the_server_does()
    {
        var device = ReadingDevice.Open(await coach.TextAsync($"{Url}?handler=Reader"));
        string[] lines = ["", "4 x 20 m @95% rest 2:00", "3 x fly 10 w/ 20 m run in", "squat 4 x 3 @80% 1RM", "blorp 3 x 10 m", "10, 20, 30 m for Zuleika", "4 x 20 m for low minutes", "ank", "3 rounds: squat 3 reps; broad jump 3 reps", "2-4 x 10-20 m", "4 x 20 kg"];
        foreach (var line in lines)
        {
            Assert.Equal(await coach.TextAsync($"{Url}?handler=Reads&text={Uri.EscapeDataString(line)}"), device.Read(line));
        }

        Assert.Contains("Zuleika", device.Read("20 m for Zuleika"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_hundred_damaged_lines_never_break_the_page_or_half_store_a_line()
    {
        string[] pieces = ["4 x 20 m", "rest", "2:00", "@95%", "gates", "10,20", "\"", "cue", "+", "fly", "sled", "<script>", "'", "%", "from", "🙂", "x", "--", ";", "raise", "for", "99999"];
        var random = new Random(4);
        var token = (await coach.PageAsync(Url)).QuerySelector("meta[name=form-token]")!.GetAttribute("content")!;
        for (var i = 0; i < 100; i++)
        {
            var text = string.Join(' ', Enumerable.Range(0, random.Next(1, 8)).Select(_ => pieces[random.Next(pieces.Length)]));
            var before = (await PlanAsync()).Lines.Count();
            var (code, page, _) = await coach.SendAsync($"{Url}?handler=Add", token, ("text", text));
            Assert.True(code == HttpStatusCode.OK, $"{text}: {code}");
            var after = (await PlanAsync()).Lines.Count();
            var refused = page.QuerySelector(".problem") is not null;
            Assert.True(after == (refused || text.Trim().Length == 0 ? before : before + 1), text);
            if (after > 60)
            {
                await DoAsync($"Remove&line={(await PlanAsync()).Lines.Last().Id}");
            }
        }
    }

    [Fact]
    public async Task Settings_keep_what_was_typed_when_something_is_wrong()
    {
        var (_, page, _) = await DoAsync("Settings", ("Input.Name", "Renamed"), ("Input.Day", "2026-12-01"), ("Input.SquadId", "1"), ("Input.Lanes", "0"), ("Input.WindowMinutes", "40"), ("Input.Straight", "60"), ("Input.RunOut", "20"), ("Input.Cue", "push"));
        Assert.Contains("From 1 to 20 lanes.", page.Body!.TextContent);
        Assert.Equal("Renamed", page.QuerySelector("#Input_Name")!.GetAttribute("value"));
        Assert.NotEqual("Renamed", await house.InDbAsync(async db => (await db.Sessions.SingleAsync(s => s.Id == 49)).Name));
        var ok = await DoAsync("Settings", ("Input.Name", "Renamed"), ("Input.Day", "2026-12-01"), ("Input.SquadId", "1"), ("Input.Lanes", "3"), ("Input.WindowMinutes", "40"), ("Input.Straight", "60"), ("Input.RunOut", "20"));
        Assert.Equal(HttpStatusCode.Redirect, ok.Code);
        Assert.Equal(3, await house.InDbAsync(async db => (await db.Sessions.SingleAsync(s => s.Id == 49)).Lanes));
    }

    [Fact]
    public async Task A_session_is_made_removed_and_brought_back()
    {
        var made = await coach.PostAsync("/Sessions/New", "/Sessions/New", ("Input.Name", "A name as long as coaches make them when the season gets crowded, all of it"), ("Input.Day", "2026-12-02"), ("Input.SquadId", "2"), ("Input.Lanes", "1"), ("Input.WindowMinutes", "30"), ("Input.Straight", "40"), ("Input.RunOut", "15"));
        var url = made.Response.Headers.Location!.ToString();
        Assert.Contains("No lines yet", (await coach.PageAsync(url)).Body!.TextContent);
        var gone = await coach.PostAsync(url, url + "?handler=Delete");
        Assert.Equal(HttpStatusCode.NotFound, (await coach.GetAsync(url)).Code);
        var list = await coach.PageAsync(gone.Response.Headers.Location!.ToString());
        Assert.Contains("Removed “A name as long", list.Body!.TextContent);
        await coach.PostAsync("/Sessions", "/Sessions?handler=BringBack", ("id", url.Split('/')[^1]));
        await coach.PageAsync(url);
    }

    [Fact]
    public async Task A_club_that_thinks_in_yards_and_pounds_reads_them_everywhere()
    {
        await coach.PostAsync("/Settings", "/Settings", ("Input.Name", "Northquay"), ("Input.DistanceUnit", "Yard"), ("Input.SpeedUnit", "MilesPerHour"), ("Input.MassUnit", "Pound"));
        await DoAsync("Add", ("text", "2 x 40"));
        Assert.Equal(36.576, ((RunShape)(await PlanAsync()).Lines.Last().Shape).Metres, 6);
        var page = await coach.PageAsync("/Athletes/1");
        Assert.Contains("mph", page.Body!.TextContent);
        Assert.Contains("lb", page.Body.TextContent);
        // 68.4 kg is 150.8 lb by definition; saving the form untouched must not drift the stored mass.
        var form = await coach.PageAsync("/Athletes/Edit?id=1");
        Assert.Equal("150.8", form.QuerySelector("#Input_BodyMass")!.GetAttribute("value"));
    }

    [Fact]
    public async Task An_athlete_is_added_with_care_and_retired_without_loss()
    {
        var (_, page, _) = await coach.PostAsync("/Athletes/Edit", "/Athletes/Edit", ("id", "0"), ("Input.Name", "Bao Tranquist"), ("Input.SquadId", "1"), ("Input.BirthYear", "1890"), ("Input.Availability", "Out"), ("Input.BodyMass", "7000"));
        Assert.Contains("Who said so?", page.Body!.TextContent);
        Assert.Contains("From 20 to 250 kg.", page.Body.TextContent);
        Assert.Equal("Bao Tranquist", page.QuerySelector("#Input_Name")!.GetAttribute("value"));
        await coach.PostAsync("/Athletes/Edit", "/Athletes/Edit", ("id", "0"), ("Input.Name", "Bao Tranquist"), ("Input.SquadId", "1"), ("Input.Availability", "Full"));
        var id = await house.InDbAsync(async db => (await db.Athletes.SingleAsync(a => a.Name == "Bao Tranquist")).Id);
        Assert.Contains("No runs yet", (await coach.PageAsync($"/Athletes/{id}")).Body!.TextContent);

        var runs = await house.InDbAsync(db => db.Runs.CountAsync(r => r.AthleteId == 1));
        await coach.PostAsync("/Athletes/Edit?id=1", "/Athletes/Edit?handler=Retire&id=1");
        Assert.DoesNotContain(await house.InDbAsync(db => db.Athletes.Where(a => a.RetiredAt == null).Select(a => a.Id).ToListAsync()), i => i == 1);
        Assert.Equal(runs, await house.InDbAsync(db => db.Runs.CountAsync(r => r.AthleteId == 1)));
        await coach.PostAsync("/Athletes", "/Athletes?handler=BringBack", ("id", "1"));
        Assert.Null(await house.InDbAsync(async db => (await db.Athletes.SingleAsync(a => a.Id == 1)).RetiredAt));
    }

    [Fact]
    public async Task The_demo_is_the_same_for_the_same_seed_and_its_times_are_believable()
    {
        var first = await house.InDbAsync(db => db.Marks.OrderBy(m => m.RunId).ThenBy(m => m.Millimetres).Select(m => m.Seconds).ToListAsync());
        await using var other = await TestHouse.OpenAsync();
        await other.InDbAsync(async db =>
        {
            await new Data.Demo.DemoClub(await house.InDbAsync(async d => (await d.Sessions.SingleAsync(s => s.Id == 49)).Day)).FillAsync(db);
            return true;
        });
        Assert.Equal(first, await other.InDbAsync(db => db.Marks.OrderBy(m => m.RunId).ThenBy(m => m.Millimetres).Select(m => m.Seconds).ToListAsync()));
        Assert.True(await house.InDbAsync(db => db.Runs.AnyAsync(r => r.Method == TimingMethod.Hand)));
        Assert.True(await house.InDbAsync(db => db.Runs.AnyAsync(r => r.StartBehindGateMetres == 0.5)));
        var speeds = await house.InDbAsync(db => db.Runs.Where(r => r.FlyingSpeed != null && r.Load == "").Select(r => r.FlyingSpeed!.Value).ToListAsync());
        Assert.All(speeds, v => Assert.InRange(v, 5.5, 10.5));
    }
}
