using System.Globalization;
using System.Net;
using System.Text.Json.Nodes;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;
using InchBurst.Data;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace InchBurst.Web.Tests;

/// <summary>Two people on one session, pain, other work, measures, timing a line, the look back.</summary>
public sealed class LiveTests : IAsyncLifetime
{
    private const string Url = "/Sessions/49/Trackside";
    private TestHouse house = null!;
    private Visitor coach = null!;
    private int fly;

    public async ValueTask InitializeAsync()
    {
        house = await TestHouse.OpenAsync(demo: true);
        coach = await house.CoachAsync();
        await coach.PostAsync(Url, Url + "?handler=Start", [.. Enumerable.Range(1, 6).Select(i => ("here", $"{i}"))]);
        fly = (await PlanAsync()).Lines.Single(l => l.Kind == WorkKind.MaxVelocity).Id;
        await coach.PostAsync(Url, Url + "?handler=Line", ("line", $"{fly}"));
    }

    public ValueTask DisposeAsync() => house.DisposeAsync();

    private Task<SessionPlan> PlanAsync() => house.InDbAsync(async db =>
    {
        var session = await db.Sessions.SingleAsync(s => s.Id == 49);
        return PlanJson.Read(session.RanPlanJson ?? session.PlanJson);
    });

    private Task<List<Run>> RunsAsync() => house.InDbAsync(db => db.Runs.Include(r => r.Marks).Include(r => r.Readings).Include(r => r.Seen).Include(r => r.Measures).Where(r => r.SessionId == 49).OrderBy(r => r.Id).ToListAsync());

    private Task<Attendance> RowAsync(int athlete) => house.InDbAsync(db => db.Attendance.Include(a => a.Athlete).SingleAsync(a => a.SessionId == 49 && a.AthleteId == athlete));

    private Task<(HttpStatusCode Code, AngleSharp.Dom.IDocument Page, HttpResponseMessage Response)> Do(string handler, params (string, string)[] fields) => coach.PostAsync(Url, $"{Url}?handler={handler}", fields);

    private Task<(HttpStatusCode Code, AngleSharp.Dom.IDocument Page, HttpResponseMessage Response)> SaveAsync(int athlete, int rep, string marks, DateTime? at = null, Guid? client = null, int? line = null, params (string, string)[] more) => Do(
        "Save",
        [
            ("client", $"{client ?? Guid.NewGuid()}"), ("athlete", $"{athlete}"), ("line", $"{line ?? fly}"), ("rep", $"{rep}"), ("overrule", "true"),
            .. at is { } when ? new[] { ("at", new DateTimeOffset(when).ToUnixTimeMilliseconds().ToString(CultureInfo.InvariantCulture)) } : [], .. marks.Split('|').Select(m => ("mark", m)), .. more,
        ]);

    [Fact]
    public async Task The_same_rep_from_two_devices_is_one_rep_with_both_readings()
    {
        await SaveAsync(1, 1, "3.30|4.40");
        var second = Guid.NewGuid();
        await SaveAsync(1, 1, "3.31|4.42", client: second);
        await SaveAsync(1, 1, "3.31|4.42", client: second);
        var run = Assert.Single(await RunsAsync());
        Assert.Equal(2, run.Readings.Count);
        Assert.Equal([3.305, 4.41], run.Marks.OrderBy(m => m.Millimetres).Select(m => m.Seconds));
        Assert.Null(run.Conflict);
        var page = await coach.PageAsync(Url);
        Assert.Contains("2 readings of this rep, the mean stands", page.Body!.TextContent);
        Assert.Equal("2", page.QuerySelector("li[data-athlete='1']")!.GetAttribute("data-rep"));
        var readings = await coach.PageAsync($"/Sessions/49/Runs/{run.Id}");
        Assert.Equal(2, readings.QuerySelectorAll("[data-reading]").Length);
    }

    [Fact]
    public async Task A_number_that_another_rep_has_is_refused_instead_of_said_to_be_stored()
    {
        var (first, told) = (Guid.NewGuid(), "sent under the number of another rep");
        await SaveAsync(1, 1, "3.30|4.40", client: first);
        Assert.Contains(told, (await SaveAsync(2, 1, "3.35|4.51", client: first)).Page.DocumentElement.TextContent);
        Assert.Contains(told, (await Do("Outcome&what=NotTimed", ("client", $"{first}"), ("athlete", "2"), ("line", $"{fly}"), ("rep", "1"))).Page.DocumentElement.TextContent);
        Assert.Equal([1], (await RunsAsync()).Select(r => r.AthleteId));

        // Of a run that was moved since, what was sent first is known when it comes again.
        var run = (await RunsAsync())[0].Id;
        await coach.PostAsync(Url, $"/Sessions/49/Runs/{run}?handler=Move", ("athlete", "3"));
        Assert.Equal([3], (await RunsAsync()).Select(r => r.AthleteId));
        Assert.DoesNotContain(told, (await SaveAsync(1, 1, "3.30|4.40", client: first)).Page.DocumentElement.TextContent);
        Assert.Single(await RunsAsync());

        // Another session's rep.
        var other = await house.InDbAsync(db => db.Runs.Where(r => r.SessionId != 49).Select(r => r.ClientId).FirstAsync());
        Assert.Contains(told, (await SaveAsync(2, 1, "3.35|4.51", client: other)).Page.DocumentElement.TextContent);
        Assert.Single(await RunsAsync());
        await SaveAsync(2, 1, "3.35|4.51");
        Assert.Equal(2, (await RunsAsync()).Count);
    }

    [Fact]
    public async Task Readings_that_differ_are_shown_and_a_person_picks()
    {
        await SaveAsync(1, 1, "3.30|4.40");
        await SaveAsync(1, 1, "3.30|4.54");
        var page = await coach.PageAsync(Url);
        Assert.Contains("differ by 0.14 s", page.QuerySelector(".t-conflict")!.TextContent);
        var run = Assert.Single(await RunsAsync());
        Assert.Equal(4.40, run.Marks.Max(m => m.Seconds));

        await Do($"Pick&run={run.Id}", ("what", $"{run.Readings.OrderBy(r => r.Id).Last().Id}"));
        Assert.Equal(4.54, (await RunsAsync()).Single().Marks.Max(m => m.Seconds));
        Assert.Null((await coach.PageAsync(Url)).QuerySelector(".t-conflict"));
        await Do($"Pick&run={run.Id}", ("what", "mean"));
        Assert.Equal(4.47, (await RunsAsync()).Single().Marks.Max(m => m.Seconds), 9);
        Assert.Equal(HttpStatusCode.NotFound, (await Do($"Pick&run={run.Id}", ("what", "worst"))).Code);
        Assert.Equal(2, await house.InDbAsync(db => db.RunCorrections.CountAsync(c => c.RunId == run.Id)));

        // A third reading after a pick overwrites nothing; it asks again.
        await SaveAsync(1, 1, "3.30|4.41");
        Assert.Contains("Pick again", (await coach.PageAsync(Url)).QuerySelector(".t-conflict")!.TextContent);
        Assert.Equal(4.47, (await RunsAsync()).Single().Marks.Max(m => m.Seconds), 9);
    }

    [Fact]
    public async Task Undo_takes_back_ones_own_reading_and_leaves_what_the_others_read()
    {
        var timer = await house.PersonAsync("Ravi at the gate", Roles.Timer);
        await SaveAsync(1, 1, "3.30|4.40");
        var sent = Guid.NewGuid();
        async Task TimerSaves(Guid client) => await timer.PostAsync(Url, Url + "?handler=Save", ("client", $"{client}"), ("athlete", "1"), ("line", $"{fly}"), ("rep", "1"), ("overrule", "true"), ("mark", "3.32"), ("mark", "4.54"));
        await TimerSaves(sent);
        var run = Assert.Single(await RunsAsync());
        Assert.NotNull(run.Conflict);

        var undone = (await timer.PostAsync(Url, $"{Url}?handler=Undo&run={run.Id}")).Page;
        Assert.Contains("taken back; what demo-coach read stands", undone.QuerySelector("[data-toast]")!.TextContent);
        run = Assert.Single(await RunsAsync());
        Assert.Null(run.Conflict);
        Assert.Equal([3.30, 4.40], run.Marks.OrderBy(m => m.Millimetres).Select(m => m.Seconds));
        Assert.Equal("demo-coach", Assert.Single(run.Told).By);

        // Sent again by a device that did not hear, it stays taken back; put back, the conflict is back too.
        await TimerSaves(sent);
        Assert.Single((await RunsAsync()).Single().Told);
        await timer.PostAsync(Url, undone.QuerySelector("form[action*='back=true']")!.GetAttribute("action")!);
        run = Assert.Single(await RunsAsync());
        Assert.Equal(2, run.Told.Count);
        Assert.Contains("differ by 0.14 s", run.Conflict);

        // Alone with it, undo takes the rep. Nobody takes back or puts back what is not theirs.
        await coach.PostAsync(Url, $"{Url}?handler=Undo&run={run.Id}");
        Assert.Equal(HttpStatusCode.NotFound, (await timer.PostAsync(Url, $"{Url}?handler=Undo&run={run.Id}&back=true&reading={run.Told[0].Id}")).Code);
        run = Assert.Single(await RunsAsync());
        Assert.Equal((4.54, "Ravi at the gate"), (run.Marks.Max(m => m.Seconds), Assert.Single(run.Told).By));
        await timer.PostAsync(Url, $"{Url}?handler=Undo&run={run.Id}");
        Assert.Empty(await RunsAsync());
    }

    [Fact]
    public async Task A_correction_outlives_a_reading_that_comes_later()
    {
        await SaveAsync(1, 1, "3.30|4.40");
        await SaveAsync(1, 1, "3.31|4.41");
        var run = Assert.Single(await RunsAsync());
        var page = $"/Sessions/49/Runs/{run.Id}";
        var (code, _, _) = await coach.PostAsync(page, page, ("mark", "3.30"), ("mark", "4.50"), ("overrule", "true"));
        Assert.Equal(HttpStatusCode.Redirect, code);
        await SaveAsync(1, 1, "3.30|4.42");
        run = Assert.Single(await RunsAsync());
        Assert.Equal(4.50, run.Marks.Max(m => m.Seconds));
        Assert.Contains("Pick again", run.Conflict);
    }

    [Fact]
    public async Task A_rep_noted_as_no_time_by_one_and_timed_by_another_is_never_two_runs_with_nothing()
    {
        await SaveAsync(1, 1, "3.30|4.40");
        await Do("Outcome&what=NotTimed", ("client", $"{Guid.NewGuid()}"), ("athlete", "1"), ("line", $"{fly}"), ("rep", "1"));
        var run = Assert.Single(await RunsAsync());
        Assert.Equal(HttpStatusCode.NotFound, (await Do($"Pick&run={run.Id}", ("what", "two"))).Code);
        Assert.Equal(4.40, Assert.Single(await RunsAsync()).Marks.Max(m => m.Seconds));
        Assert.DoesNotContain("readings of this rep", (await coach.PageAsync(Url)).Body!.TextContent);
    }

    [Fact]
    public async Task Entries_far_apart_may_be_told_to_be_two_runs()
    {
        var started = await house.InDbAsync(async db => (await db.Sessions.SingleAsync(s => s.Id == 49)).StartedAt!.Value);
        await house.InDbAsync(db => db.Sessions.Where(s => s.Id == 49).ExecuteUpdateAsync(u => u.SetProperty(s => s.StartedAt, started.AddMinutes(-20))));
        var at = DateTime.SpecifyKind(started, DateTimeKind.Utc).AddMinutes(-10);
        await SaveAsync(1, 1, "3.30|4.40", at);
        await SaveAsync(1, 1, "3.32|4.44", at.AddMinutes(4));
        var run = Assert.Single(await RunsAsync());
        Assert.Contains("far apart", run.Conflict);
        await Do($"Pick&run={run.Id}", ("what", "two"));
        var both = await RunsAsync();
        Assert.Equal([1, 2], both.Select(r => r.Rep));
        Assert.Equal([4.40, 4.44], both.Select(r => r.Marks.Max(m => m.Seconds)));
        Assert.All(both, r => Assert.Empty(r.Readings));
        Assert.Equal(at.AddMinutes(4), both[1].FinishedAt, TimeSpan.FromSeconds(1));
    }

    [Fact]
    public async Task Saves_of_the_same_rep_at_the_same_moment_never_make_two_reps()
    {
        var token = (await coach.PageAsync(Url)).QuerySelector("meta[name=form-token]")!.GetAttribute("content")!;
        var all = await Task.WhenAll(Enumerable.Range(0, 16).Select(i => coach.SendAsync(
            Url + "?handler=Save", token, ("client", $"{Guid.NewGuid()}"), ("athlete", $"{(i % 4) + 1}"), ("line", $"{fly}"), ("rep", "1"), ("overrule", "true"), ("mark", "3.30"), ("mark", $"4.4{i % 2}"))));
        Assert.All(all, a => Assert.Equal(HttpStatusCode.OK, a.Code));
        var runs = await RunsAsync();
        Assert.Equal(4, runs.Count);
        Assert.Equal(16, runs.Sum(r => r.Readings.Count));
    }

    [Fact]
    public async Task The_rest_counts_from_the_finish_the_device_tells_not_from_when_it_was_sent()
    {
        var now = DateTime.UtcNow;
        await house.InDbAsync(db => db.Sessions.Where(s => s.Id == 49).ExecuteUpdateAsync(u => u.SetProperty(s => s.StartedAt, now.AddMinutes(-30))));
        await SaveAsync(1, 1, "3.30|4.40", now.AddMinutes(-5));
        await SaveAsync(2, 1, "3.30|4.40", now.AddMinutes(-1));

        // A clock that is ahead, or from before the session, is not believed.
        await SaveAsync(3, 1, "3.30|4.40", now.AddHours(2));
        await SaveAsync(4, 1, "3.30|4.40", now.AddHours(-2));
        var runs = await RunsAsync();
        Assert.Equal(now.AddMinutes(-5), runs[0].FinishedAt, TimeSpan.FromSeconds(1));
        Assert.All(runs.Skip(2), r => Assert.Equal(now, r.FinishedAt, TimeSpan.FromSeconds(30)));
        var page = await coach.PageAsync(Url);
        Assert.Equal("ready", page.QuerySelector("li[data-athlete='1']")!.GetAttribute("data-state"));
        Assert.Equal("resting", page.QuerySelector("li[data-athlete='2']")!.GetAttribute("data-state"));
    }

    [Fact]
    public async Task Pain_stops_full_efforts_until_somebody_says_who_allowed_them()
    {
        await SaveAsync(1, 1, "3.30|4.40", more: [("seen", "tight"), ("seen", "reached"), ("seen", "heavy legs")]);
        var page = await coach.PageAsync(Url);
        Assert.Equal("held", page.QuerySelector("li[data-athlete='1']")!.GetAttribute("data-state"));
        var row = await RowAsync(1);
        Assert.Equal(("tight or sore", Availability.Modified), (row.HeldReason, row.Athlete!.Availability));
        Assert.Equal(["heavy legs", "reached", "tight"], (await RunsAsync()).Single().Seen.Select(s => s.Code).Order());

        // Calling does not get past it; easy lines stay open.
        await Do("Call", ("athlete", "1"));
        Assert.NotEqual("1", (await coach.PageAsync(Url)).QuerySelector("[data-marks] input[name=athlete]")!.GetAttribute("value"));
        var plan = await PlanAsync();
        await Do("Line", ("line", $"{plan.Lines.First(l => l.Kind == WorkKind.Drill).Id}"));
        Assert.Equal("plain", (await coach.PageAsync(Url)).QuerySelector("li[data-athlete='1']")!.GetAttribute("data-state"));
        await Do("Line", ("line", $"{fly}"));

        var nobody = (await Do("Allow", ("athlete", "1"), ("by", " "))).Page;
        Assert.Contains("Say who allowed", nobody.QuerySelector("#t-person .wrong[role=alert]")!.TextContent);
        Assert.Equal("held", nobody.QuerySelector("li[data-athlete='1']")!.GetAttribute("data-state"));
        var allowed = (await Do("Allow", ("athlete", "1"), ("by", "the club's physiotherapist"), ("holds", "1"))).Page;
        var li = allowed.QuerySelector("li[data-athlete='1']")!;
        Assert.Equal("resting", li.GetAttribute("data-state"));
        Assert.Contains("allowed by the club's physiotherapist", li.GetAttribute("data-warning"));
    }

    [Fact]
    public async Task Arrivals_leavers_other_work_and_a_changed_order_take_one_request_each()
    {
        string State(AngleSharp.Dom.IDocument page, int athlete) => page.QuerySelector($"li[data-athlete='{athlete}']")!.GetAttribute("data-state")!;
        string OnLine(AngleSharp.Dom.IDocument page) => page.QuerySelector("[data-marks] input[name=athlete]")!.GetAttribute("value")!;
        var first = OnLine(await coach.PageAsync(Url));
        var later = (await Do("Later", ("athlete", first))).Page;
        Assert.NotEqual(first, OnLine(later));

        Assert.Null(later.QuerySelector("li[data-athlete='9']"));
        var arrived = (await Do("Arrive", ("athlete", "9"))).Page;
        Assert.Equal("ready", State(arrived, 9));
        Assert.Equal("donefortoday", State((await Do("Done", ("athlete", "2"), ("reason", "has to leave"))).Page, 2));
        var other = (await Do("Other", ("athlete", "3"), ("line", $"{fly}"), ("work", "wall switch one"))).Page;
        Assert.Equal("otherwork", State(other, 3));
        Assert.Contains("wall switch one", other.QuerySelector("li[data-athlete='3']")!.TextContent);
        Assert.Equal("ready", State((await Do("Other", ("athlete", "3"), ("line", $"{fly}"), ("work", ""))).Page, 3));

        // All three reps done, then one more for this athlete alone.
        foreach (var rep in Enumerable.Range(1, 3))
        {
            await SaveAsync(4, rep, "3.30|4.40");
        }

        Assert.Equal("finished", State(await coach.PageAsync(Url), 4));
        var extra = (await Do("Call", ("athlete", "4"))).Page;
        Assert.Equal("4", OnLine(extra));
        Assert.Contains("rep 4 of 3", extra.QuerySelector(".t-rep")!.TextContent);
    }

    [Fact]
    public async Task Reps_for_everyone_change_the_session_and_not_the_plan()
    {
        var page = (await Do("Reps", ("line", $"{fly}"), ("by", "1"))).Page;
        Assert.Contains("of 4", page.QuerySelector(".t-rep")!.TextContent);
        var session = await house.InDbAsync(db => db.Sessions.SingleAsync(s => s.Id == 49));
        Assert.Equal(3, PlanJson.Read(session.PlanJson).Line(fly)!.Reps);
        Assert.Equal(4, (await PlanAsync()).Line(fly)!.Reps);
    }

    [Fact]
    public async Task Late_in_the_window_there_are_offers_and_taking_one_brings_the_end_forward()
    {
        await house.InDbAsync(db => db.Sessions.Where(s => s.Id == 49).ExecuteUpdateAsync(u => u.SetProperty(s => s.StartedAt, DateTime.UtcNow.AddMinutes(-31)).SetProperty(s => s.LineStartedAt, DateTime.UtcNow)));
        var plan = await PlanAsync();
        await Do("Line", ("line", $"{plan.Lines.Last(l => l.Kind == WorkKind.Acceleration).Id}"));
        var page = await coach.PageAsync(Url);
        Assert.Contains("behind", page.QuerySelector(".t-of")!.TextContent);
        var offers = page.QuerySelectorAll(".t-offers input[name=label]").Select(i => i.GetAttribute("value")!).ToList();
        Assert.NotEmpty(offers);
        var before = page.QuerySelector(".t-offers b")!.TextContent;
        var taken = (await Do("Offer", ("label", offers[^1]))).Page;
        Assert.Contains("The plan itself is unchanged", taken.QuerySelector(".t-undo")!.TextContent);
        Assert.NotEqual(before, taken.QuerySelector(".t-offers b")?.TextContent);
        Assert.Contains("no longer holds", (await Do("Offer", ("label", "Fly to the moon"))).Page.QuerySelector(".t-undo")!.TextContent);
    }

    [Fact]
    public async Task How_a_line_is_timed_is_set_once_shown_and_kept_with_each_run()
    {
        var page = (await Do("Timing", ("line", $"{fly}"), ("method", "Hand"), ("trigger", "Gun"), ("entry", "ZoneOnly"), ("behind", "0,3"))).Page;
        Assert.Contains("by hand, zone only", page.QuerySelector(".t-state")!.TextContent);
        Assert.Single(page.QuerySelectorAll("input[name=mark]"));
        await SaveAsync(1, 1, "1.12");
        var run = (await RunsAsync()).Single();
        Assert.Equal((TimingMethod.Hand, StartTrigger.ZoneLine), (run.Method, run.Trigger));
        Assert.Equal([0, 1.12], run.Marks.OrderBy(m => m.Millimetres).Select(m => m.Seconds));
        Assert.Null(run.FlyingSpeed);
        Assert.Contains("by hand", (await coach.PageAsync(Url)).QuerySelector(".t-last")!.TextContent);

        // The athlete's page shows the stretch and says why there is no curve; a correction asks for what was timed only.
        var own = await coach.PageAsync($"/Athletes/1?run={run.Id}");
        Assert.Contains("Only the zone was timed", own.Body!.TextContent);
        Assert.Contains("1.12", own.QuerySelector(".splits")!.TextContent);
        var correct = $"/Sessions/49/Runs/{run.Id}";
        Assert.Equal(["1.12"], (await coach.PageAsync(correct)).QuerySelectorAll("input[name=mark]").Select(i => i.GetAttribute("value")));
        await coach.PostAsync(correct, correct, ("mark", "1.15"), ("overrule", "true"));
        Assert.Equal([0, 1.15], (await RunsAsync()).Single().Marks.OrderBy(m => m.Millimetres).Select(m => m.Seconds));

        // The next line takes the method and the start over, not the way of typing.
        var acceleration = (await PlanAsync()).Lines.First(l => l.Kind == WorkKind.Acceleration).Id;
        var next = (await Do("Line", ("line", $"{acceleration}"))).Page;
        Assert.Contains("by hand, clock from gun or call, start 0.3 m behind it", next.QuerySelector(".t-state")!.TextContent);
        var wrong = (await Do("Timing", ("line", $"{acceleration}"), ("method", "Hand"), ("trigger", "Gun"), ("entry", "Cumulative"), ("behind", "far"))).Page;
        Assert.Equal("far", wrong.QuerySelector("#behind")!.GetAttribute("value"));
        Assert.Contains("0 to 5 m", wrong.QuerySelector(".t-timing .wrong")!.TextContent);
    }

    [Fact]
    public async Task Heights_loads_and_sides_are_logged_where_the_line_asks()
    {
        await coach.PostAsync("/Sessions/49", "/Sessions/49?handler=Add", ("text", "countermovement jump 2 x 3 reps log height, heart rate"));
        await coach.PostAsync("/Sessions/49", "/Sessions/49?handler=Add", ("text", "half-kneeling start 1 x 10 m each side"));
        var plan = await PlanAsync();
        var jump = plan.Lines.Single(l => l.Log.Count > 0).Id;
        var page = (await Do("Line", ("line", $"{jump}"))).Page;
        Assert.Equal(["Height, cm", "Heart rate, bpm"], page.QuerySelectorAll(".t-gate > span").Select(s => s.TextContent));
        Task<(HttpStatusCode, AngleSharp.Dom.IDocument Page, HttpResponseMessage)> Jump(string height, string pulse) => Do("Save", ("client", $"{Guid.NewGuid()}"), ("athlete", "1"), ("line", $"{jump}"), ("rep", "1"), ("measure", height), ("measure", pulse));
        var refused = (await Jump("0.4", "150")).Page;
        Assert.Contains("2 to 150 cm", refused.QuerySelector(".t-doubt")!.TextContent);
        Assert.Equal(["0.4", "150"], refused.QuerySelectorAll("[data-mark]").Select(b => b.GetAttribute("value")));
        Assert.Contains("Type a figure first", (await Jump("", "")).Page.QuerySelector(".t-doubt")!.TextContent);
        Assert.Empty(await RunsAsync());
        var saved = (await Jump("41,5", "")).Page;
        Assert.Contains("Height 41.5 cm", saved.QuerySelector(".t-last")!.TextContent);
        Assert.Equal(RunOutcome.Measured, (await RunsAsync()).Single().Outcome);

        var start = plan.Lines.Single(l => l.Exercise == "half-kneeling start").Id;
        var sides = (await Do("Line", ("line", $"{start}"))).Page;
        Assert.Contains("of 2", sides.QuerySelector(".t-rep")!.TextContent);
        Assert.Equal("Left", sides.QuerySelector("input[name=side][checked]")!.GetAttribute("value"));
        await SaveAsync(2, 1, "2.10", line: start, more: [("side", "Left")]);
        var both = (await SaveAsync(2, 2, "2.20", line: start, more: [("side", "Right")])).Page;
        Assert.Contains("one rep a side cannot tell them apart", both.QuerySelector(".t-last")!.TextContent);
        Assert.Equal([Side.Left, Side.Right], (await RunsAsync()).Where(r => r.LineId == start).Select(r => r.Side!.Value));
    }

    [Fact]
    public async Task The_wire_tells_of_every_change_and_of_nothing_else()
    {
        var wire = house.Services.GetRequiredService<LiveWire>();
        using var cancel = new CancellationTokenSource(TimeSpan.FromSeconds(20));
        await using var watch = wire.WatchAsync(49, TimeSpan.FromSeconds(10), cancel.Token).GetAsyncEnumerator(cancel.Token);
        Assert.True(await watch.MoveNextAsync());
        var first = watch.Current!.Stamp;
        Assert.Equal((wire.Stamp(49), null), (first, watch.Current.News));
        var pending = watch.MoveNextAsync();
        await house.InDbAsync(db => db.Sessions.CountAsync());
        Assert.False(pending.IsCompleted);
        await SaveAsync(1, 1, "3.30|4.40");
        Assert.True(await pending);
        Assert.Equal(wire.Stamp(49), watch.Current!.Stamp);

        // What changed is told with it: one run, and where it stands in what went before.
        var news = JsonNode.Parse(watch.Current.News!)!;
        Assert.Equal((first, watch.Current.Stamp), ((string)news["from"]!, (string)news["to"]!));
        var told = LiveChange.Read(news["change"]!.ToJsonString());
        Assert.Equal((1, 4.40, true), (Assert.Single(told.Runs).AthleteId, told.Runs[0].What.Marks[^1].Seconds, told.Runs[0].Number > 0));

        // A change that is more than runs has to be fetched, and so has one made outside of commands.
        await coach.PostAsync(Url, $"{Url}?handler=Reps", ("line", $"{fly}"), ("by", "1"));
        Assert.True(await watch.MoveNextAsync());
        Assert.Null(watch.Current!.News);
        Assert.Equal(wire.Stamp(49), (await coach.PageAsync(Url)).QuerySelector("#live")!.GetAttribute("data-stamp"));

        // Each sign that nothing has happened is empty, and a device that goes away is forgotten.
        await using (var quiet = wire.WatchAsync(48, TimeSpan.FromMilliseconds(1), cancel.Token).GetAsyncEnumerator(cancel.Token))
        {
            Assert.True(await quiet.MoveNextAsync() && quiet.Current is not null);
            Assert.True(await quiet.MoveNextAsync());
            Assert.Null(quiet.Current);
            Assert.Equal(1, wire.Watching(48));
        }

        Assert.Equal(0, wire.Watching(48));
    }

    [Fact]
    public async Task The_look_back_compares_plan_and_run_and_leads_to_the_next_session()
    {
        await SaveAsync(1, 1, "3.30|4.40", more: [("seen", "reached")]);
        await SaveAsync(1, 2, "3.30|4.60", more: [("seen", "reached")]);
        await Do("Outcome&what=Skipped", ("client", $"{Guid.NewGuid()}"), ("athlete", "2"), ("line", $"{fly}"), ("rep", "1"));
        await Do("End");
        var page = await coach.PageAsync("/Sessions/49/Review");
        var row = page.QuerySelector(".planrun tbody tr")!.TextContent;
        Assert.Contains("18", row);
        Assert.Contains("60 m", row);
        Assert.Contains("84.6%", page.QuerySelector(".every-rep .below")!.TextContent);
        Assert.Contains("Reached in front", page.Body!.TextContent);
        var message = page.QuerySelector("#message-1")!.TextContent;
        Assert.Contains("1.10, 1.30 s", message);
        Assert.Contains("reached in front, so ankle dribble", message);

        // Ratings: what is wrong is said beside its row and nothing typed is lost.
        var wrong = (await coach.PostAsync("/Sessions/49/Review", "/Sessions/49/Review?handler=Ratings", ("athlete", "1"), ("rating", "12"), ("minutes", "40"), ("note", "fresh"), ("notes", "windy"))).Page;
        Assert.Contains("0 to 10", wrong.QuerySelector(".ratings .wrong")!.TextContent);
        Assert.Equal("12", wrong.QuerySelector("input[name=rating]")!.GetAttribute("value"));
        Assert.Equal("windy", wrong.QuerySelector("#notes")!.TextContent);
        Assert.Null((await RowAsync(1)).Rating);
        await coach.PostAsync("/Sessions/49/Review", "/Sessions/49/Review?handler=Ratings", ("athlete", "1"), ("rating", "6,5"), ("minutes", "40"), ("note", "fresh"), ("notes", "windy"));
        Assert.Equal((6.5, 40, "fresh"), ((await RowAsync(1)).Rating!.Value, (await RowAsync(1)).Minutes!.Value, (await RowAsync(1)).Note));
        Assert.Contains("260", (await coach.PageAsync("/Sessions/49/Review")).QuerySelector(".ratings")!.TextContent);

        // The next one: the plan as run, with the drill that was ticked before the first sprint.
        var next = await coach.PageAsync("/Sessions/New?from=ran-49&day=2026-12-02&drill=calf%20dribble");
        Assert.Equal("calf dribble", next.QuerySelector("input[name=drill]")!.GetAttribute("value"));
        var (_, _, made) = await coach.PostAsync(
            "/Sessions/New?from=ran-49", "/Sessions/New", [.. next.QuerySelectorAll("form[method=post] input[name^='Input.'], form[method=post] select[name^='Input.']").Where(i => i.GetAttribute("type") != "checkbox").Select(i => (
                i.GetAttribute("name")!, (i is AngleSharp.Html.Dom.IHtmlSelectElement select ? select.Value : i.GetAttribute("value")) ?? "")), ("from", "ran-49"), ("drill", "calf dribble")]);
        var id = int.Parse(made.Headers.Location!.OriginalString.Split('/')[^1], CultureInfo.InvariantCulture);
        var plan = await house.InDbAsync(async db => PlanJson.Read((await db.Sessions.SingleAsync(s => s.Id == id)).PlanJson));
        var lines = plan.Lines.ToList();
        Assert.True(lines.FindIndex(l => l.Exercise == "calf dribble") is >= 0 and var drill && drill < lines.FindIndex(l => LineDemand.Of(l, ExerciseCatalogue.BuiltIn).IsHardSprint));
        Assert.Equal((await PlanAsync()).Lines.Count() + 1, lines.Count);
    }

    [Fact]
    public async Task Gates_fill_the_boxes_once_with_their_key_and_one_save_stores_them_as_electronic()
    {
        using var gates = new HttpClient { BaseAddress = house.Address };
        async Task<HttpStatusCode> Send(int session, object report, string token)
        {
            using var request = new HttpRequestMessage(HttpMethod.Post, $"/gates/{session}") { Content = System.Net.Http.Json.JsonContent.Create(report) };
            request.Headers.Add("Gate-Token", token);
            return (await gates.SendAsync(request)).StatusCode;
        }

        var run = Guid.NewGuid();
        object Report(params (int Gate, double Ms)[] passes) => new { run, lane = 0, passes = passes.Select(p => new { gate = p.Gate, milliseconds = p.Ms }) };
        var good = Report((0, 5000), (1, 8290), (2, 9400));

        // No token, no gates; and an empty token is never one.
        Assert.Equal(HttpStatusCode.Unauthorized, await Send(49, good, ""));
        var token = (await coach.PostAsync("/Settings", "/Settings?handler=Device", ("name", "Home straight"))).Page.QuerySelector("#device-key")!.GetAttribute("value")!;
        Assert.Equal(HttpStatusCode.Unauthorized, await Send(49, good, token[..^1] + "x"));
        Assert.Equal(HttpStatusCode.NotFound, await Send(48, good, token));
        Assert.Equal(HttpStatusCode.BadRequest, await Send(49, new { run, lane = 0, passes = Array.Empty<object>() }, token));
        Assert.Equal(HttpStatusCode.BadRequest, await Send(49, new { run = Guid.Empty, lane = 0, passes = new[] { new { gate = 0, milliseconds = 1.0 } } }, token));
        Assert.Equal(HttpStatusCode.Accepted, await Send(49, good, token));
        Assert.Equal(HttpStatusCode.Accepted, await Send(49, good, token));

        // Whatever else a device sends, it gets a reason that it can write down.
        foreach (var (type, body, code) in new[] { ("text/plain", "{}", HttpStatusCode.UnsupportedMediaType), ("application/json", "{\"run\":", HttpStatusCode.BadRequest), ("application/json", "null", HttpStatusCode.BadRequest), ("application/json", "[" + new string(' ', 70_000) + "]", HttpStatusCode.RequestEntityTooLarge) })
        {
            using var request = new HttpRequestMessage(HttpMethod.Post, "/gates/49") { Content = new StringContent(body, System.Text.Encoding.UTF8, type) };
            request.Headers.Add("Gate-Token", token);
            var answer = await gates.SendAsync(request);
            Assert.Equal(code, answer.StatusCode);
            Assert.Contains("problem", await answer.Content.ReadAsStringAsync());
        }

        // The line is timed by hand; what the gates saw is electronic all the same.
        await Do("Timing", ("line", $"{fly}"), ("method", "Hand"), ("trigger", "FirstGate"), ("entry", "Cumulative"), ("behind", "0"));
        var page = await coach.PageAsync(Url);
        Assert.Equal(["3.290", "4.400"], page.QuerySelectorAll("input[name=mark]").Select(i => i.GetAttribute("value")));
        var gate = page.QuerySelector("input[name=gate]")!.GetAttribute("value")!;
        await SaveAsync(1, 1, "3.290|4.400", more: [("gate", gate)]);
        Assert.Equal(TimingMethod.Electronic, (await RunsAsync()).Single().Method);
        Assert.Null((await coach.PageAsync(Url)).QuerySelector("input[name=gate]"));

        // A report that there is not makes no hand time electronic.
        await SaveAsync(2, 1, "3.310|4.420", more: [("gate", "987654")]);
        Assert.Equal(TimingMethod.Hand, (await RunsAsync()).Single(r => r.AthleteId == 2).Method);

        // A report that fits no run says so and can be put aside.
        run = Guid.NewGuid();
        await Send(49, Report((0, 0), (1, 10)), token);
        page = await coach.PageAsync(Url);
        Assert.Equal(["", ""], page.QuerySelectorAll("input[name=mark]").Select(i => i.GetAttribute("value")));
        run = Guid.NewGuid();
        await Send(49, Report((0, 0), (2, 4410)), token);
        await Do($"NotThis&gate={page.QuerySelector("[data-notthis]")!.GetAttribute("data-notthis")}");
        Assert.Equal(["", "4.410"], (await coach.PageAsync(Url)).QuerySelectorAll("input[name=mark]").Select(i => i.GetAttribute("value")));
    }

    [Fact]
    public async Task Gates_say_that_they_are_there_and_trackside_shows_it()
    {
        using var gates = new HttpClient { BaseAddress = house.Address };
        async Task<HttpStatusCode> Sign(int session, string token, string? name)
        {
            using var request = new HttpRequestMessage(HttpMethod.Post, $"/gates/{session}/alive") { Content = System.Net.Http.Json.JsonContent.Create(new { name }) };
            request.Headers.Add("Gate-Token", token);
            return (await gates.SendAsync(request)).StatusCode;
        }

        var token = (await coach.PostAsync("/Settings", "/Settings?handler=Device", ("name", "Home straight"))).Page.QuerySelector("#device-key")!.GetAttribute("value")!;
        Assert.Null((await coach.PageAsync(Url)).QuerySelector("[data-gates]"));
        Assert.Equal(HttpStatusCode.Unauthorized, await Sign(49, "no token", "Home straight"));
        Assert.Equal(HttpStatusCode.NotFound, await Sign(48, token, "Home straight"));
        Assert.Null((await coach.PageAsync(Url)).QuerySelector("[data-gates]"));
        Assert.Equal(HttpStatusCode.Accepted, await Sign(49, token, "Home straight"));
        Assert.Equal(HttpStatusCode.Accepted, await Sign(49, token, null));
        Assert.Equal(HttpStatusCode.Accepted, await Sign(49, token, new string('x', 300)));
        var shown = System.Text.Json.JsonSerializer.Deserialize<Dictionary<string, long>>((await coach.PageAsync(Url)).QuerySelector("[data-gates]")!.GetAttribute("data-gates")!)!;
        Assert.Equal(["", "Home straight", new string('x', 40)], shown.Keys.Order(StringComparer.Ordinal));
        Assert.All(shown.Values, at => Assert.InRange(DateTimeOffset.FromUnixTimeMilliseconds(at), DateTimeOffset.UtcNow.AddMinutes(-2), DateTimeOffset.UtcNow.AddSeconds(1)));
    }

    [Fact]
    public void A_set_of_gates_is_news_once_is_dropped_after_ten_minutes_and_there_are_never_too_many()
    {
        var wire = new LiveWire();
        var t = new DateTime(2026, 11, 25, 17, 0, 0, DateTimeKind.Utc);
        var stamps = new HashSet<string> { wire.Stamp(1) };
        wire.Hear(1, new("A", t));
        Assert.True(stamps.Add(wire.Stamp(1)), "a new set is told at once");
        wire.Hear(1, new("A", t.AddSeconds(10)));
        Assert.False(stamps.Add(wire.Stamp(1)), "its later signs draw no screen anew");
        wire.Hear(1, new("B", t.AddMinutes(9)));
        Assert.Equal([("A", t.AddSeconds(10)), ("B", t.AddMinutes(9))], wire.Gates(1, t.AddMinutes(9)).Select(g => (g.Name, g.At)));
        Assert.Equal(["B"], wire.Gates(1, t.AddMinutes(11)).Select(g => g.Name));
        Assert.Empty(wire.Gates(2, t));
        stamps.Add(wire.Stamp(1));
        wire.Hear(1, new("A", t.AddMinutes(20)));
        Assert.True(stamps.Add(wire.Stamp(1)), "back after being taken away is news again");
        for (var i = 0; i < 100; i++)
        {
            wire.Hear(1, new($"C{i}", t.AddMinutes(20)));
        }

        Assert.InRange(wire.Gates(1, t.AddMinutes(20)).Count, 2, 12);
    }

    [Fact]
    public async Task An_untimed_line_shows_its_planned_time_and_when_it_came_on()
    {
        var first = (await PlanAsync()).Lines.First();
        await Do("Line", ("line", $"{first.Id}"), ("round", "1"));
        var root = (await coach.PageAsync(Url)).QuerySelector("#live")!;
        Assert.Equal(((InchBurst.Core.Plan.TimedShape)first.Shape).Seconds.ToString(CultureInfo.InvariantCulture), root.QuerySelector("[data-line-clock]")!.GetAttribute("data-line-clock"));
        Assert.InRange(long.Parse(root.GetAttribute("data-line-from")!, CultureInfo.InvariantCulture), DateTimeOffset.UtcNow.AddMinutes(-2).ToUnixTimeMilliseconds(), DateTimeOffset.UtcNow.ToUnixTimeMilliseconds());

        // A line that is only looked at is not on, so its clock does not run.
        var other = (await PlanAsync()).Lines.ElementAt(1);
        root = (await coach.PageAsync($"{Url}?line={other.Id}&round=1")).QuerySelector("#live")!;
        Assert.Equal($"{other.Id}", root.GetAttribute("data-line"));
        Assert.Equal("", root.GetAttribute("data-line-from"));
        Assert.Null((await coach.PageAsync($"{Url}?line={fly}&round=1")).QuerySelector("[data-line-clock]"));
    }

    [Fact]
    public async Task A_timer_logs_times_and_nothing_else()
    {
        var timer = await house.PersonAsync("Ravi at the gate", Roles.Timer);
        var page = await timer.PageAsync(Url);
        Assert.DoesNotContain("One rep more", page.Body!.TextContent);
        await timer.PostAsync(Url, Url + "?handler=Save", ("client", $"{Guid.NewGuid()}"), ("athlete", "1"), ("line", $"{fly}"), ("rep", "1"), ("overrule", "true"), ("mark", "3.30"), ("mark", "4.40"));
        Assert.Equal("Ravi at the gate", (await RunsAsync()).Single().LoggedBy);
        foreach (var closed in new[] { "/Sessions/49", "/Athletes/1", "/Settings", "/Sessions/48/Review", "/Drills" })
        {
            var (code, _, response) = await timer.GetAsync(closed);
            Assert.True(code == HttpStatusCode.Redirect && response.Headers.Location!.OriginalString.Contains("/Denied", StringComparison.Ordinal), $"{closed}: {code}");
        }

        await timer.PostAsync(Url, Url + "?handler=End");
        await timer.PostAsync(Url, Url + "?handler=Reps", ("line", $"{fly}"), ("by", "1"));
        Assert.Equal(SessionState.Running, await house.InDbAsync(async db => (await db.Sessions.SingleAsync(s => s.Id == 49)).State));
        Assert.Equal(3, (await PlanAsync()).Line(fly)!.Reps);
    }
}
