using System.Globalization;
using InchBurst.Core.Demand;
using InchBurst.Core.Units;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Web.Tests;

/// <summary>Wind, shoes and reaction of runs: said for the session or for one run, taken out of times by name, in bests and comparisons.</summary>
public sealed class RunSettingTests : IAsyncLifetime
{
    private TestHouse house = null!;
    private Visitor coach = null!;
    private int session;
    private int athlete;

    public async ValueTask InitializeAsync()
    {
        house = await TestHouse.OpenAsync(demo: true);
        coach = await house.CoachAsync();
        (session, athlete) = await house.InDbAsync(async db =>
        {
            var latest = await db.Runs.Where(r => r.Wind != null && r.Method == TimingMethod.Electronic && r.Marks.Count >= 3).OrderByDescending(r => r.Id).FirstAsync();
            return (latest.SessionId, latest.AthleteId);
        });
    }

    public ValueTask DisposeAsync() => house.DisposeAsync();

    private Task<Run> RunAsync(long? id = null) => house.InDbAsync(db => db.Runs.AsNoTracking().Include(r => r.Marks).Include(r => r.Stretches).Where(r => r.SessionId == session && r.AthleteId == athlete && (id == null || r.Id == id)).OrderBy(r => r.Id).FirstAsync());

    private async Task SaveSessionAsync(params (string Name, string Value)[] other)
    {
        var page = await coach.PageAsync($"/Sessions/{session}?settings=true");
        var fields = page.QuerySelectorAll("details.settings form [name]").Where(e => e.GetAttribute("name")!.StartsWith("Input.", StringComparison.Ordinal) || e.GetAttribute("name") == "opened")
            .Select(e => (Name: e.GetAttribute("name")!, Value: e is AngleSharp.Html.Dom.IHtmlSelectElement s ? s.Value : e.GetAttribute("value") ?? "")).Select(f => (f.Name, Value: f.Value ?? "")).Where(f => other.All(o => o.Name != f.Name)).Concat(other).ToArray();
        await coach.PostAsync($"/Sessions/{session}", $"/Sessions/{session}?handler=Settings", fields);
    }

    [Fact]
    public async Task What_is_said_of_the_session_is_said_of_its_runs_but_for_those_with_their_own()
    {
        var before = await RunAsync();
        await coach.PostAsync($"/Sessions/{session}/Runs/{before.Id}", $"/Sessions/{session}/Runs/{before.Id}?handler=Setting", ("Setting.Shoes", "Flats"), ("Setting.Wind", "-0.6"), ("opened", ""));

        await SaveSessionAsync(("Input.Wind", "3.1"), ("Input.Shoes", "Spikes"), ("Input.Altitude", "1200"));

        var own = await RunAsync(before.Id);
        var others = await house.InDbAsync(db => db.Runs.Include(r => r.Stretches).Where(r => r.SessionId == session && r.Id != own.Id && r.Marks.Any()).ToListAsync());
        Assert.Equal((Shoes.Flats, -0.6, 1200, true), (own.Shoes, own.Wind, own.Altitude, own.HasOwnSetting));
        Assert.All(others, r => Assert.Equal((Shoes.Spikes, 3.1, 1200, false), (r.Shoes, r.Wind, r.Altitude, r.HasOwnSetting)));
        Assert.All(others.SelectMany(r => r.Stretches), s => Assert.EndsWith("|spikes", s.Key, StringComparison.Ordinal));
        Assert.All(others.SelectMany(r => r.Stretches).Where(s => s.FromMillimetres == 0), s => Assert.InRange(s.Air!.Value, 0.001, 0.4));
        Assert.All(own.Stretches, s => Assert.EndsWith("|flats", s.Key, StringComparison.Ordinal));

        await coach.PostAsync($"/Sessions/{session}/Runs/{own.Id}", $"/Sessions/{session}/Runs/{own.Id}?handler=AsSession");
        Assert.Equal((Shoes.Spikes, 3.1, false), (await RunAsync(own.Id)) is var back ? (back.Shoes, back.Wind, back.HasOwnSetting) : default);
    }

    [Fact]
    public async Task Bests_are_seen_as_timed_or_in_still_air_and_the_time_as_read_stays()
    {
        var timed = await coach.PageAsync($"/Athletes/{athlete}");
        var still = await coach.PageAsync($"/Athletes/{athlete}?without=1");

        Assert.Equal("as timed", timed.QuerySelector(".bests-split a[aria-current]")!.TextContent);
        Assert.Empty(timed.QuerySelectorAll(".adjusted"));
        var row = still.QuerySelectorAll(".bests tr").First(r => r.QuerySelector(".adjusted") is not null);
        var (shown, words) = (double.Parse(row.QuerySelector(".figure")!.TextContent, CultureInfo.InvariantCulture), row.QuerySelector(".adjusted")!.TextContent);
        var raw = double.Parse(words.Split(' ')[1], CultureInfo.InvariantCulture);
        Assert.Matches("^timed [0-9.]+ s, wind [+−][0-9.]+: [+−]0[.][0-9]{2} s$", words);
        Assert.Equal(words.Contains("wind +", StringComparison.Ordinal), shown > raw);

        // The least in still air is no more than any time of that list in still air.
        var least = await house.InDbAsync(db => db.RunStretches.Where(s => s.AthleteId == athlete && s.FromMillimetres == 0 && s.ToMillimetres == 30_000 && s.Key == $"straight||gates||FirstGate|0|").MinAsync(s => (double?)(s.Seconds + (s.Air ?? 0))));
        var thirty = still.QuerySelectorAll(".bests tr").First(r => r.FirstElementChild!.TextContent == "30 m");
        Assert.Equal(least!.Value, double.Parse(thirty.QuerySelector(".figure")!.TextContent, CultureInfo.InvariantCulture), 0.0051);
    }

    [Fact]
    public async Task A_reaction_is_kept_of_a_run_from_the_gun_and_a_false_start_is_said()
    {
        var run = await RunAsync();
        await house.InDbAsync(db => db.Runs.Where(r => r.Id == run.Id).ExecuteUpdateAsync(u => u.SetProperty(r => r.Trigger, StartTrigger.Gun)));
        var at = $"/Sessions/{session}/Runs/{run.Id}";

        var refused = await coach.PostAsync(at, at + "?handler=Setting", ("Setting.Shoes", "Unsaid"), ("Setting.Wind", "44"), ("Setting.Reaction", "soon"), ("opened", ""));
        Assert.Equal(["From −10 to 10 m/s; a tailwind is positive.", "The value 'soon' is not valid for Reaction."], refused.Page.QuerySelectorAll("#setting .field-validation-error").Select(e => e.TextContent));
        Assert.Equal("44", refused.Page.QuerySelector("[name='Setting.Wind']")!.GetAttribute("value"));

        await coach.PostAsync(at, at + "?handler=Setting", ("Setting.Shoes", "Unsaid"), ("Setting.Wind", "2"), ("Setting.Reaction", "0.09"), ("opened", ""));
        var page = await coach.PageAsync(at);
        Assert.Contains("false start", page.QuerySelector("#setting .late")!.TextContent);
        Assert.Contains("reaction: −0.09 s", page.QuerySelector("#setting")!.TextContent);
        Assert.All((await RunAsync(run.Id)).Stretches, s => Assert.Equal(s.FromMillimetres == 0 ? -0.09 : null, s.Reaction));
        Assert.Contains("without reaction", (await coach.PageAsync($"/Athletes/{athlete}?without=2")).QuerySelector(".bests-split")!.TextContent);
    }

    [Fact]
    public async Task A_comparison_can_be_made_in_still_air()
    {
        var days = await house.InDbAsync(db => db.Runs.Where(r => r.AthleteId == athlete && r.Wind != null && r.Method == TimingMethod.Electronic && r.StartBehindGateMetres == 0).Select(r => r.Day).Distinct().OrderByDescending(d => d).Take(3).ToListAsync());
        var to = $"/Athletes/{athlete}/Compare?now={days[0]:yyyy-MM-dd}&then={days[2]:yyyy-MM-dd}";

        var (timed, still) = (await coach.PageAsync(to), await coach.PageAsync(to + "&still=true"));

        Assert.Null(timed.QuerySelector("input[name=still]")!.GetAttribute("checked"));
        Assert.NotNull(still.QuerySelector("input[name=still]")!.GetAttribute("checked"));
        Assert.Matches("Wind [+−][0-9.]+ m/s", string.Join(' ', timed.QuerySelector(".alike")!.TextContent.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries)));
        Assert.Contains("0.0 m/s", still.QuerySelector(".alike")!.TextContent);
        Assert.NotEqual(timed.QuerySelector(".compare-table")!.TextContent, still.QuerySelector(".compare-table")!.TextContent);
    }
}
