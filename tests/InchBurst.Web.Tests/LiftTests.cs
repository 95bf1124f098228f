using System.Net;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Web.Tests;

/// <summary>Maxima of lifts, typed for a squad and told in kilograms wherever a line asks for a share of them.</summary>
public sealed class LiftTests : IAsyncLifetime
{
    private const string Url = "/Athletes/Lifts?exercise=power%20clean";
    private TestHouse house = null!;
    private Visitor coach = null!;
    private List<Athlete> squad = null!;

    public async ValueTask InitializeAsync()
    {
        house = await TestHouse.OpenAsync(demo: true);
        coach = await house.CoachAsync();
        var session = await house.InDbAsync(db => db.Sessions.SingleAsync(s => s.Id == 49));
        squad = await house.InDbAsync(db => db.Athletes.Where(a => a.SquadId == session.SquadId && a.RetiredAt == null && a.Availability == Core.Plan.Availability.Full).OrderBy(a => a.Name).ToListAsync());
    }

    public async ValueTask DisposeAsync() => await house.DisposeAsync();

    private Task<(HttpStatusCode Code, AngleSharp.Dom.IDocument Page, HttpResponseMessage Response)> TypeAsync(params (string, string)[] fields) => coach.PostAsync(Url, "/Athletes/Lifts", [("exercise", "full clean"), ("day", DateTime.Now.ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture)), .. fields]);

    [Fact]
    public async Task Typed_maxima_are_kilograms_on_the_plan_the_sheet_the_card_and_trackside()
    {
        var (first, second) = (squad[0], squad[1]);
        var done = await TypeAsync(($"kg-{first.Id}", "100"), ($"kg-{second.Id}", "80,5"), ($"reps-{second.Id}", "5"));
        Assert.Equal(HttpStatusCode.Redirect, done.Code);
        var page = await coach.PageAsync(done.Response.Headers.Location!.ToString());
        Assert.Contains("2 tests stored.", page.Body!.TextContent, StringComparison.Ordinal);
        Assert.Contains("100 kg tested", page.Body.TextContent, StringComparison.Ordinal);
        Assert.Contains("90.6 to 93.9 kg from 80.5 kg x 5", page.Body.TextContent, StringComparison.Ordinal);
        Assert.Contains("100 kg tested", (await coach.PageAsync($"/Athletes/{first.Id}")).Body!.TextContent, StringComparison.Ordinal);

        await coach.PostAsync("/Sessions/49", "/Sessions/49?handler=Add", ("text", "power clean 3 x 3 75% max"));
        Assert.Equal($"67.5 to 75 kg, {squad.Count - 2 + await ModifiedAsync()} without a maximum", (await coach.PageAsync("/Sessions/49")).QuerySelectorAll(".row-loads").Last().TextContent);
        var sheet = (await coach.PageAsync("/Sessions/49/Sheet")).Body!.TextContent;
        Assert.Contains("On the bar: power clean 75% max", sheet, StringComparison.Ordinal);
        Assert.Contains("67.5 kg", sheet, StringComparison.Ordinal);
        Assert.Contains("= 75 kg", (await coach.PageAsync($"/Sessions/49/Card?athlete={first.Id}")).Body!.TextContent, StringComparison.Ordinal);
        Assert.DoesNotContain(" kg", (await coach.PageAsync($"/Sessions/49/Card?athlete={squad[2].Id}")).QuerySelector(".card-lines")!.TextContent, StringComparison.Ordinal);

        await coach.PostAsync("/Sessions/49/Trackside", "/Sessions/49/Trackside?handler=Start", [.. squad.Select(a => ("here", $"{a.Id}"))]);
        var line = Core.Plan.PlanJson.Read((await house.InDbAsync(db => db.Sessions.SingleAsync(s => s.Id == 49))).PlanJson).Lines.Last();
        var bars = (await coach.PageAsync($"/Sessions/49/Trackside?line={line.Id}&round=1")).QuerySelectorAll(".t-bars dd").Select(d => d.TextContent).ToList();
        Assert.Equal(squad.Count, bars.Count);
        Assert.Equal(["67.5 kg", "75 kg"], bars.Where(b => b.Contains("kg", StringComparison.Ordinal)).Order());
        Assert.Equal(squad.Count - 2, bars.Count(b => b == "by feel: no maximum"));
    }

    [Fact]
    public async Task A_share_of_body_mass_is_kilograms_on_the_plan_the_sheet_the_card_and_trackside()
    {
        var (first, second) = (squad[0].Id, squad[1].Id);
        await house.InDbAsync(db => db.Athletes.ExecuteUpdateAsync(u => u.SetProperty(a => a.MassKilograms, a => a.Id == first ? 78 : a.Id == second ? 91 : (double?)null)));
        await coach.PostAsync("/Sessions/49", "/Sessions/49?handler=Add", ("text", "jump squats 4 x 4 30% BW"));

        var said = (await coach.PageAsync("/Sessions/49")).QuerySelectorAll(".row-loads").Last();
        Assert.Equal($"22.5 to 27.5 kg, {squad.Count - 2 + await ModifiedAsync()} without a body mass", said.TextContent);
        Assert.Equal("/Athletes", said.GetAttribute("href"));
        var sheet = (await coach.PageAsync("/Sessions/49/Sheet")).Body!.TextContent;
        Assert.Contains("Load for each: loaded jump, 30% of body mass", sheet, StringComparison.Ordinal);
        Assert.Contains("27.5 kg", sheet, StringComparison.Ordinal);
        Assert.Contains("no body mass", sheet, StringComparison.Ordinal);
        Assert.Contains("= 22.5 kg", (await coach.PageAsync($"/Sessions/49/Card?athlete={first}")).Body!.TextContent, StringComparison.Ordinal);

        await coach.PostAsync("/Sessions/49/Trackside", "/Sessions/49/Trackside?handler=Start", [.. squad.Select(a => ("here", $"{a.Id}"))]);
        var line = Core.Plan.PlanJson.Read((await house.InDbAsync(db => db.Sessions.SingleAsync(s => s.Id == 49))).PlanJson).Lines.Last();
        var bars = (await coach.PageAsync($"/Sessions/49/Trackside?line={line.Id}&round=1")).QuerySelectorAll(".t-bars dd").Select(d => d.TextContent).ToList();
        Assert.Equal(["22.5 kg", "27.5 kg"], bars.Where(b => b.Contains("kg", StringComparison.Ordinal)).Order());
        Assert.Equal(squad.Count - 2, bars.Count(b => b == "by feel: no body mass"));
    }

    [Fact]
    public async Task A_shuttle_test_makes_a_share_of_the_aerobic_speed_metres_for_each()
    {
        const string test = "1,200 m shuttle test";
        var url = "/Athletes/Lifts?exercise=" + Uri.EscapeDataString(test);
        var (first, second) = (squad[0], squad[1]);
        var day = DateTime.Now.ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture);
        var bad = await coach.PostAsync(url, "/Athletes/Lifts", ("exercise", test), ("day", day), ($"kg-{first.Id}", "1:22"), ($"kg-{second.Id}", "5:22"));
        Assert.Contains("A time such as 5:22", bad.Page.Body!.TextContent, StringComparison.Ordinal);
        Assert.Equal("5:22", bad.Page.QuerySelector($"#kg-{second.Id}")!.GetAttribute("value"));

        // 1,200 m in 320.3 s with 29 turns of 0.7 s: 4 m/s, 110% of it for 15 s is 66 m.
        var done = await coach.PostAsync(url, "/Athletes/Lifts", ("exercise", test), ("day", day), ($"kg-{first.Id}", "5:20.3"));
        Assert.Contains("4.00 m/s", (await coach.PageAsync(done.Response.Headers.Location!.ToString())).Body!.TextContent, StringComparison.Ordinal);
        await coach.PostAsync("/Sessions/49", "/Sessions/49?handler=Add", ("text", "12 x 15 s 110% MAS rest 15 s"));
        Assert.StartsWith("66 m in 0:15, ", (await coach.PageAsync("/Sessions/49")).QuerySelectorAll(".row-loads").Last().TextContent, StringComparison.Ordinal);
        Assert.Contains("= 66 m in 0:15", (await coach.PageAsync($"/Sessions/49/Card?athlete={first.Id}")).Body!.TextContent, StringComparison.Ordinal);
        Assert.Contains("For each: 12 x 15 s 110% aerobic", (await coach.PageAsync("/Sessions/49/Sheet")).Body!.TextContent, StringComparison.Ordinal);

        var id = await house.InDbAsync(db => db.AerobicTests.Select(t => t.Id).SingleAsync());
        await coach.PostAsync(url, "/Athletes/Lifts?handler=Remove", ("exercise", test), ("tests", $"{id}"), ("removed", "true"));
        Assert.DoesNotContain("4.00 m/s", (await coach.PageAsync(url)).Body!.TextContent, StringComparison.Ordinal);
        await coach.PostAsync(url, "/Athletes/Lifts?handler=Remove", ("exercise", test), ("tests", $"{id}"), ("removed", "false"));
        Assert.Contains("4.00 m/s", (await coach.PageAsync(url)).Body!.TextContent, StringComparison.Ordinal);
    }

    private Task<int> ModifiedAsync() => house.InDbAsync(db => db.Athletes.CountAsync(a => a.SquadId == squad[0].SquadId && a.RetiredAt == null && a.Availability == Core.Plan.Availability.Modified));

    [Fact]
    public async Task A_test_is_taken_out_and_brought_back_and_only_by_its_own_squad()
    {
        await TypeAsync(($"kg-{squad[0].Id}", "100"));
        var id = await house.InDbAsync(db => db.LiftTests.Select(t => t.Id).SingleAsync());
        Assert.Equal(("power clean", 100, 1), await house.InDbAsync(db => db.LiftTests.Select(t => new ValueTuple<string, double, int>(t.Exercise, t.Kilograms, t.Reps)).SingleAsync()));
        await coach.PostAsync(Url, "/Athletes/Lifts?handler=Remove", ("exercise", "power clean"), ("tests", $"{id}"), ("removed", "true"));
        Assert.DoesNotContain("100 kg", (await coach.PageAsync(Url)).Body!.TextContent, StringComparison.Ordinal);
        await coach.PostAsync(Url, "/Athletes/Lifts?handler=Remove", ("exercise", "power clean"), ("tests", $"{id}"), ("removed", "false"));
        Assert.Contains("100 kg tested", (await coach.PageAsync(Url)).Body!.TextContent, StringComparison.Ordinal);

        await house.InDbAsync(async db =>
        {
            var other = await db.Athletes.FirstAsync(a => a.SquadId != squad[0].SquadId);
            (await db.LiftTests.SingleAsync()).AthleteId = other.Id;
            return await db.SaveChangesAsync();
        });
        await coach.PostAsync(Url, "/Athletes/Lifts?handler=Remove", ("exercise", "power clean"), ("tests", $"{id}"), ("removed", "true"));
        Assert.Equal(1, await house.InDbAsync(db => db.LiftTests.CountAsync()));
    }

    [Theory]
    [InlineData("kg", "heavy", "is not a number")]
    [InlineData("kg", "900", "must be 0.5 to 500 kg")]
    [InlineData("reps", "12", "1 to 10 reps")]
    [InlineData("reps", "x", "1 to 10 reps")]
    [InlineData("day", "2099-01-01", "A day up to today")]
    public async Task Bad_input_is_told_beside_its_field_and_stays_typed(string field, string typed, string told)
    {
        var id = squad[0].Id;
        (string, string)[] fields = [($"kg-{id}", field == "kg" ? typed : "100"), ($"reps-{id}", field == "reps" ? typed : ""), ($"kg-{squad[1].Id}", "77")];
        var (code, page, _) = field == "day" ? await coach.PostAsync(Url, "/Athletes/Lifts", [("exercise", "power clean"), ("day", typed), .. fields]) : await TypeAsync(fields);
        Assert.Equal(HttpStatusCode.OK, code);
        Assert.Contains(told, page.Body!.TextContent, StringComparison.Ordinal);
        Assert.Equal("77", page.QuerySelector($"#kg-{squad[1].Id}")!.GetAttribute("value"));
        Assert.Equal(0, await house.InDbAsync(db => db.LiftTests.CountAsync()));
    }

    [Fact]
    public async Task Reps_without_a_load_and_nothing_at_all_are_asked_about()
    {
        Assert.Contains("How much was lifted?", (await TypeAsync(($"reps-{squad[0].Id}", "3"))).Page.Body!.TextContent, StringComparison.Ordinal);
        Assert.Contains("Nothing was typed yet.", (await TypeAsync()).Page.Body!.TextContent, StringComparison.Ordinal);
    }
}
