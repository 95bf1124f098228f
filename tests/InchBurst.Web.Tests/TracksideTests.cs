using System.Net;
using InchBurst.Core.Plan;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Web.Tests;

/// <summary>Running a session through the interface, on the real file.</summary>
public sealed class TracksideTests : IAsyncLifetime
{
    private const string Url = "/Sessions/49/Trackside";
    private TestHouse house = null!;
    private Visitor coach = null!;
    private int line;

    public async ValueTask InitializeAsync()
    {
        house = await TestHouse.OpenAsync(demo: true);
        coach = await house.CoachAsync();
        await coach.PostAsync(Url, Url + "?handler=Start", ("here", "1"), ("here", "2"), ("here", "3"));
        line = await house.InDbAsync(async db => PlanJson.Read((await db.Sessions.SingleAsync(s => s.Id == 49)).PlanJson).Lines.Single(l => l.Kind == WorkKind.MaxVelocity).Id);
        await coach.PostAsync(Url, Url + "?handler=Line", ("line", $"{line}"));
    }

    public ValueTask DisposeAsync() => house.DisposeAsync();

    private Task<(HttpStatusCode Code, AngleSharp.Dom.IDocument Page, HttpResponseMessage Response)> SaveAsync(int athlete, Guid client, string marks, bool overrule = true) => coach.PostAsync(
        Url, Url + "?handler=Save", [("client", $"{client}"), ("athlete", $"{athlete}"), ("line", $"{line}"), .. marks.Split('|').Select(m => ("mark", m)), .. overrule ? new[] { ("overrule", "true") } : []]);

    private Task<List<Run>> RunsAsync() => house.InDbAsync(db => db.Runs.Include(r => r.Marks).Where(r => r.SessionId == 49).OrderBy(r => r.Id).ToListAsync());

    [Fact]
    public async Task A_save_shows_its_meaning_and_the_next_athlete()
    {
        var page = (await coach.PageAsync(Url));
        var first = page.QuerySelector(".t-who")!.TextContent;
        var athlete = int.Parse(page.QuerySelector("[data-marks] input[name=athlete]")!.GetAttribute("value")!, System.Globalization.CultureInfo.InvariantCulture);
        var after = (await SaveAsync(athlete, Guid.NewGuid(), "2.87|3.99")).Page;
        Assert.Equal("1.12", after.QuerySelector(".t-result b")!.TextContent);
        Assert.Contains("8.93", after.QuerySelector(".t-last")!.TextContent);
        Assert.NotEqual(first, after.QuerySelector(".t-who")!.TextContent);
        Assert.Contains($"Saved 1.12 for {first}, rep 1", after.QuerySelector(".t-undo")!.TextContent);
        Assert.Equal("resting", after.QuerySelector($"li[data-athlete='{athlete}']")!.GetAttribute("data-state"));
        // The place is kept for another device.
        var other = await (await house.CoachAsync()).PageAsync(Url);
        Assert.Equal(after.QuerySelector(".t-who")!.TextContent, other.QuerySelector(".t-who")!.TextContent);
        var stored = Assert.Single(await RunsAsync());
        Assert.Equal([20000, 30000], stored.Marks.OrderBy(m => m.Millimetres).Select(m => m.Millimetres));
        Assert.Equal(10 / 1.12, stored.FlyingSpeed!.Value, 6);
    }

    [Fact]
    public async Task A_whole_run_may_be_typed_into_one_box()
    {
        await SaveAsync(1, Guid.NewGuid(), "2,87 3,99|");
        Assert.Equal(2, (await RunsAsync()).Single().Marks.Count);
    }

    [Fact]
    public async Task A_save_sent_twice_is_stored_once_even_at_the_same_moment()
    {
        var client = Guid.NewGuid();
        await SaveAsync(1, client, "2.87|3.99");
        await SaveAsync(1, client, "2.87|3.99");
        Assert.Single(await RunsAsync());

        var second = Guid.NewGuid();
        var token = (await coach.PageAsync(Url)).QuerySelector("meta[name=form-token]")!.GetAttribute("content")!;
        var all = await Task.WhenAll(Enumerable.Range(0, 8).Select(_ => coach.SendAsync(Url + "?handler=Save", token, ("client", $"{second}"), ("athlete", "2"), ("line", $"{line}"), ("mark", "2.90"), ("mark", "4.05"), ("overrule", "true"))));
        Assert.All(all, a => Assert.Equal(HttpStatusCode.OK, a.Code));
        Assert.Equal(2, (await RunsAsync()).Count);
        Assert.Equal(4, await house.InDbAsync(db => db.Marks.CountAsync(m => db.Runs.Any(r => r.Id == m.RunId && r.SessionId == 49))));
    }

    [Fact]
    public async Task Eight_athletes_saved_at_once_lose_nothing()
    {
        await coach.PostAsync(Url + "?who=true", Url + "?handler=Start", [.. Enumerable.Range(1, 8).Select(i => ("here", $"{i}"))]);
        var token = (await coach.PageAsync(Url)).QuerySelector("meta[name=form-token]")!.GetAttribute("content")!;
        var all = await Task.WhenAll(Enumerable.Range(1, 8).Select(i => coach.SendAsync(Url + "?handler=Save", token, ("client", $"{Guid.NewGuid()}"), ("athlete", $"{i}"), ("line", $"{line}"), ("mark", "2.95"), ("mark", "4.15"), ("overrule", "true"))));
        Assert.All(all, a => Assert.Equal(HttpStatusCode.OK, a.Code));
        Assert.Equal(8, (await RunsAsync()).Select(r => r.AthleteId).Distinct().Count());
    }

    [Fact]
    public async Task Impossible_times_are_refused_and_unlikely_ones_asked_about()
    {
        var (_, refused, _) = await SaveAsync(1, Guid.NewGuid(), "2.87|2.80", overrule: false);
        Assert.Contains("times must rise", refused.QuerySelector(".t-doubt")!.TextContent);
        Assert.Null(refused.QuerySelector("[data-overrule]"));
        Assert.Equal(["2.87", "2.80"], refused.QuerySelectorAll("[data-mark]").Select(i => i.GetAttribute("value")));
        await SaveAsync(1, Guid.NewGuid(), "2.87|2.80", overrule: true);
        Assert.Empty(await RunsAsync());

        var (_, asked, _) = await SaveAsync(1, Guid.NewGuid(), "2.87|3.70", overrule: false);
        Assert.NotNull(asked.QuerySelector("[data-overrule]"));
        Assert.Equal("1", asked.QuerySelector("[data-marks] input[name=athlete]")!.GetAttribute("value"));
        Assert.Empty(await RunsAsync());
        await SaveAsync(1, Guid.NewGuid(), "2.87|3.70", overrule: true);
        Assert.Single(await RunsAsync());
    }

    [Fact]
    public async Task Undo_takes_the_run_back_and_it_can_be_put_back()
    {
        await SaveAsync(1, Guid.NewGuid(), "2.87|3.99");
        var run = (await RunsAsync()).Single().Id;
        var undone = await coach.PostAsync(Url, $"{Url}?handler=Undo&run={run}");
        Assert.Empty(await RunsAsync());
        Assert.Contains("Put it back", undone.Page.QuerySelector(".t-undo")!.TextContent);
        await coach.PostAsync(Url, $"{Url}?handler=Undo&run={run}&back=true");
        Assert.Equal(2, (await RunsAsync()).Single().Marks.Count);
    }

    [Fact]
    public async Task Run_again_keeps_the_rep_skip_spends_it_and_done_ends_the_day()
    {
        async Task Outcome(string what, int athlete) => await coach.PostAsync(Url, $"{Url}?handler=Outcome&what={what}", ("client", $"{Guid.NewGuid()}"), ("athlete", $"{athlete}"), ("line", $"{line}"));
        await Outcome("Again", 1);
        await Outcome("Skipped", 2);
        await coach.PostAsync(Url, Url + "?handler=Done", ("athlete", "3"), ("reason", "tight hamstring"));
        var page = await coach.PageAsync(Url);
        // A skip needs no rest, so the second athlete is on the line for the second rep.
        Assert.Equal("2", page.QuerySelector("[data-marks] input[name=athlete]")!.GetAttribute("value"));
        Assert.Contains("rep 2 of 3", page.QuerySelector(".t-rep")!.TextContent);
        var first = page.QuerySelector("li[data-athlete='1']")!;
        Assert.Equal("1", first.GetAttribute("data-rep"));
        Assert.Equal("resting", first.GetAttribute("data-state"));
        Assert.Contains("tight hamstring", page.QuerySelector("li[data-athlete='3']")!.TextContent);
    }

    [Fact]
    public async Task A_correction_keeps_the_old_time_and_who_changed_it()
    {
        await SaveAsync(1, Guid.NewGuid(), "2.87|3.99");
        var run = (await RunsAsync()).Single().Id;
        var url = $"/Sessions/49/Runs/{run}";
        var (_, bad, _) = await coach.PostAsync(url, url, ("mark", "2.87"), ("mark", "2.5"));
        Assert.Contains("times must rise", bad.Body!.TextContent);
        Assert.Equal(HttpStatusCode.Redirect, (await coach.PostAsync(url, url, ("mark", "2.87"), ("mark", "4.01"))).Code);
        var history = await coach.PageAsync(url);
        Assert.Contains("3.99 at 30 m", history.Body!.TextContent);
        Assert.Contains("changed by demo-coach", history.Body.TextContent);
        Assert.Equal(10 / 1.14, (await RunsAsync()).Single().FlyingSpeed!.Value, 6);
    }

    [Fact]
    public async Task The_ended_session_shows_what_was_run_and_can_be_opened_again()
    {
        await SaveAsync(1, Guid.NewGuid(), "2.87|3.99");
        await SaveAsync(1, Guid.NewGuid(), "2.88|4.05");
        var (_, _, ended) = await coach.PostAsync(Url, Url + "?handler=End");
        Assert.Equal("/Sessions/49/Review", ended.Headers.Location!.OriginalString);
        Assert.Equal(HttpStatusCode.Redirect, (await coach.GetAsync(Url)).Code);
        var page = await coach.PageAsync("/Sessions/49/Review");
        Assert.Contains("2 reps, 1 not run; ended at 95.7% of the day's best", page.QuerySelector(".every-rep svg")!.GetAttribute("aria-label"), StringComparison.Ordinal);
        await coach.PostAsync("/Sessions/49/Review", Url + "?handler=Reopen");
        Assert.NotNull((await coach.PageAsync(Url)).QuerySelector(".t-clock"));
        Assert.Contains("1.12", (await coach.PageAsync("/")).Body!.TextContent);
    }
}
