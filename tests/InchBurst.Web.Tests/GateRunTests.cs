using System.Net.Http.Json;
using System.Text.Json;
using InchBurst.Core.Log;
using InchBurst.Core.Units;
using InchBurst.Data.Entities;
using InchBurst.GateBox;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Web.Tests;

/// <summary>What gates report over the wire: late, again, in heaps and in any order, and each run once where it belongs.</summary>
public class GateRunTests
{
    private static readonly double[] Gates = [0, 20, 30];
    private const string Live = "/Sessions/49/Trackside";

    private static async Task<(TestHouse House, Visitor Coach, HttpClient Http)> RunningAsync()
    {
        var house = await TestHouse.OpenAsync(demo: true);
        var coach = await house.CoachAsync();
        await coach.PostAsync(Live, Live + "?handler=Start", [.. (await coach.PageAsync(Live)).QuerySelectorAll("[name=here][checked]").Select(h => ("here", h.GetAttribute("value")!))]);
        var line = (await coach.PageAsync(Live)).QuerySelectorAll(".t-jump form").Single(f => f.TextContent.Contains("Fly 10", StringComparison.Ordinal)).QuerySelector("[name=line]")!.GetAttribute("value")!;
        await coach.PostAsync(Live, Live + "?handler=Line", ("line", line), ("round", "1"));
        var key = (await coach.PostAsync("/Settings", "/Settings?handler=Device", ("name", "Test gates"))).Page.QuerySelector("#device-key")!.GetAttribute("value")!;
        var http = new HttpClient { BaseAddress = house.Address };
        http.DefaultRequestHeaders.Add("Gate-Token", key);
        return (house, coach, http);
    }

    private static async Task<System.Net.HttpStatusCode> SendAsync(HttpClient http, Report report, double ago)
    {
        for (; ; )
        {
            using var answer = await http.PostAsJsonAsync("/gates/49", new { report.Run, report.Lane, report.Passes, report.Gates, report.Clocks, report.Starts, Ago = ago });
            if (answer.StatusCode != System.Net.HttpStatusCode.TooManyRequests)
            {
                return answer.StatusCode;
            }

            await Task.Delay(answer.Headers.RetryAfter?.Delta ?? TimeSpan.FromSeconds(1));
        }
    }

    [Fact]
    public async Task Every_run_is_stored_once_in_the_order_run_however_it_is_delivered_and_gives_the_times_it_had()
    {
        var (house, _, http) = await RunningAsync();
        await using var _1 = house;
        using var _2 = http;
        var box = new Adversary(7, new() { Arm = 0.3, Late = 0.3, Repeated = 0.4, Dropped = 0.15 }, Gates);
        var runs = Enumerable.Range(0, 60).Select(i => (Of: box.Next(), RanAt: 40.0 * i)).ToList();
        var deliveries = box.Deliveries([.. runs.Select(r => (r.Of.Report, r.RanAt))]);
        Assert.True(deliveries.Count > runs.Count + 20);
        Assert.NotEqual(deliveries.Select(d => d.RanAt).Order(), deliveries.Select(d => d.RanAt));
        var end = deliveries[^1].SentAt;
        foreach (var (report, ranAt, _) in deliveries)
        {
            // All is delivered now; how long ago it was run says where it belongs.
            Assert.Equal(System.Net.HttpStatusCode.Accepted, await SendAsync(http, report, Math.Round((end - ranAt) * 1000)));
        }

        var stored = await house.InDbAsync(db => db.GateReadings.Where(g => g.SessionId == 49 && g.UsedFor == null).OrderBy(g => g.RanAt).ToListAsync());
        Assert.Equal(runs.Count, stored.Count);
        foreach (var (reading, (of, _)) in stored.Zip(runs))
        {
            var read = GateFeed.Read(JsonSerializer.Deserialize<List<GatePass>>(reading.PassesJson)!, [Distance.InMetres(20), Distance.InMetres(30)], reading.Gates);
            Assert.All(read.Seconds.Zip(of.Truths[0].Seconds.Skip(1)), s => Assert.InRange(s.First!.Value, s.Second - 0.0065, s.Second + 0.0065));
        }
    }

    [Fact]
    public async Task A_late_run_says_when_it_was_run_two_bodies_are_asked_about_and_another_lane_is_named()
    {
        var (house, coach, http) = await RunningAsync();
        await using var _1 = house;
        using var _2 = http;
        async Task<AngleSharp.Dom.IElement> OfferAsync() => (await coach.PageAsync(Live)).QuerySelector(".t-fromgates")!;
        Report Of(string passes, int lane = 0, params GateClock[] clocks) => new(Guid.NewGuid(), lane, [.. passes.Split(' ').Select(p => p.Split(':').Select(n => double.Parse(n, System.Globalization.CultureInfo.InvariantCulture)).ToList()).Select(p => new GatePass((int)p[0], p[1], p.Count > 2 ? (int)p[2] : 0, clocks.Length > 0 ? (int)p[0] + 1 : 0))], 3, clocks);

        // Of a report with two lanes each is a run of its own, told to whose it is.
        await SendAsync(http, Of("0:0:2 1:3300:2 2:4400:2 0:10:1 1:3210:1 2:4290:1"), 0);
        var offers = await house.InDbAsync(db => db.GateReadings.Where(g => g.UsedFor == null).OrderBy(g => g.Id).ToListAsync());
        Assert.Equal([1, 2], offers.Select(o => o.Lane));
        Assert.Contains("lane 1. Save it for Amara?", (await OfferAsync()).TextContent, StringComparison.Ordinal);
        async Task NotAsync() => await coach.PostAsync(Live, $"{Live}?handler=NotThis&gate={(await OfferAsync()).QuerySelector("[data-notthis]")!.GetAttribute("data-notthis")}");
        await NotAsync();
        var second = await OfferAsync();
        Assert.Contains("lane 2. Save it for Camila?", second.TextContent, StringComparison.Ordinal);
        await NotAsync();

        // Two bodies, neither of which is more the runner than the other: each is an answer, and nothing stands in the boxes.
        await SendAsync(http, Of("0:0 0:900 1:3300 1:4150 2:4400 2:5240"), 90_000);
        var page = await coach.PageAsync(Live);
        var asked = page.QuerySelector(".t-fromgates")!;
        Assert.Contains("more than one body", asked.TextContent, StringComparison.Ordinal);
        Assert.Contains("of the session", asked.TextContent, StringComparison.Ordinal);
        Assert.Contains("3.300|4.400", asked.QuerySelectorAll("[data-gatefill]").Select(b => b.GetAttribute("data-gatefill")));
        Assert.All(page.QuerySelectorAll("#t-entry [name=mark]"), b => Assert.Equal("", b.GetAttribute("value") ?? ""));
        Assert.Null(page.QuerySelector("#t-entry [name=gate]"));
        await NotAsync();

        // A clock nobody knows well is left out and named.
        await SendAsync(http, Of("0:0 1:3300 2:4400", 0, new(1, 0, 2), new(2, 0, 50), new(3, 0, 2)), 0);
        Assert.Contains("clock of gate 2 cannot be trusted", (await OfferAsync()).TextContent, StringComparison.Ordinal);
        await NotAsync();

        // A pad and a signal tell of the start: the reaction is said, and kept apart from the time that the first gate begins.
        await SendAsync(http, Of("0:1000 1:4310 2:5400") with { Starts = [new(0, 850, 992)] }, 0);
        Assert.Contains("Reaction 0.142 s.", (await OfferAsync()).TextContent, StringComparison.Ordinal);
        await NotAsync();
        await SendAsync(http, Of("0:1000:2 1:4310:2 2:5400:2") with { Starts = [new(1, 0, 300), new(2, 1000, 1062)] }, 0);
        var early = await coach.PageAsync(Live);
        Assert.Contains("False start: first movement 0.062 s after GO. Call back, or save it if it was let go.", early.QuerySelector(".t-false")!.TextContent, StringComparison.Ordinal);
        var form = early.QuerySelector("#t-entry")!;
        string Of2(string name) => form.QuerySelector($"[name={name}]")!.GetAttribute("value")!;
        await coach.PostAsync(Live, Live + "?handler=Save", [("athlete", Of2("athlete")), ("line", Of2("line")), ("rep", Of2("rep")), ("gate", Of2("gate")), ("client", Guid.NewGuid().ToString()), ("overrule", "true"), .. form.QuerySelectorAll("[name=mark]").Select(b => ("mark", b.GetAttribute("value")!))]);
        var saved = await house.InDbAsync(db => db.Runs.Include(r => r.Marks).Where(r => r.SessionId == 49).OrderByDescending(r => r.Id).FirstAsync());
        Assert.Equal(0.062, saved.Reaction);
        Assert.Equal([3.31, 4.4], saved.Marks.OrderBy(m => m.Seconds).Select(m => m.Seconds));
        Assert.Equal(InchBurst.Core.Demand.TimingMethod.Electronic, saved.Method);

        // What is no start is refused, and nothing of it is kept.
        using var wrong = await http.PostAsync("/gates/49", new StringContent("{\"run\":\"7d1f6a52-6a35-4a55-9f3a-0d2f3f8c6a99\",\"lane\":1,\"passes\":[{\"gate\":0,\"milliseconds\":1}],\"starts\":[{\"lane\":21,\"go\":1}]}", System.Text.Encoding.UTF8, "application/json"));
        Assert.Equal(System.Net.HttpStatusCode.BadRequest, wrong.StatusCode);
        Assert.Contains("up to 20 starts", await wrong.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_device_finds_the_session_that_runs_with_the_gates_its_line_expects()
    {
        var (house, _, http) = await RunningAsync();
        await using var _1 = house;
        using var _2 = http;
        var running = Assert.Single((await http.GetFromJsonAsync<JsonElement[]>("/gates"))!);
        Assert.Equal((49, "0 20 30"), (running.GetProperty("session").GetInt32(), string.Join(' ', running.GetProperty("gates").EnumerateArray().Select(g => g.GetDouble()))));
        http.DefaultRequestHeaders.Remove("Gate-Token");
        Assert.Equal(System.Net.HttpStatusCode.Unauthorized, (await http.GetAsync("/gates")).StatusCode);
        Assert.Equal(System.Net.HttpStatusCode.Unauthorized, await SendAsync(http, new(Guid.NewGuid(), 0, [new(0, 1)], 2, []), 0));
    }
}
