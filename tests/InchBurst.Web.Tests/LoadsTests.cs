using System.Net;
using InchBurst.Core.Load;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;
using InchBurst.Data;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace InchBurst.Web.Tests;

/// <summary>Loads on the demo club's file: tests, kit, the squad's sheet, the load at the line.</summary>
public sealed class LoadsTests : IAsyncLifetime
{
    private TestHouse house = null!;
    private Visitor coach = null!;

    public async ValueTask InitializeAsync()
    {
        house = await TestHouse.OpenAsync(demo: true);
        coach = await house.CoachAsync();
    }

    public ValueTask DisposeAsync() => house.DisposeAsync();

    private async Task<T> InAsync<T>(Func<LoadBook, Task<T>> act)
    {
        await using var scope = house.Services.CreateAsyncScope();
        return await act(scope.ServiceProvider.GetRequiredService<LoadBook>());
    }

    private Task<(int Session, int Line)> PushAsync() => house.InDbAsync(async db =>
    {
        var session = await db.Sessions.SingleAsync(s => s.Name == "Tuesday push");
        return (session.Id, PlanJson.Read(session.PlanJson).Lines.Single(l => l.Load is not null).Id);
    });

    [Fact]
    public async Task Every_day_with_a_sled_is_kept_and_surfaces_stand_apart()
    {
        var tests = await InAsync(b => b.TestsAsync(1, 68.4));
        var days = await house.InDbAsync(db => db.Runs.Where(r => r.AthleteId == 1 && r.Load.StartsWith("sled")).Select(r => r.Day).Distinct().ToListAsync());
        Assert.Equal(days.OrderDescending(), tests.Select(t => t.Day));

        // A floor said wrongly and put right is the test's floor too.
        var newest = tests.First(t => t.Found.Line is not null);
        await house.InDbAsync(db => db.Runs.Where(r => r.SessionId == newest.SessionId).ExecuteUpdateAsync(r => r.SetProperty(x => x.Surface, Surface.Turf)));
        Assert.Equal(Surface.Turf, (await InAsync(b => b.TestsAsync(1, 68.4))).Single(t => t.SessionId == newest.SessionId).Surface);
        await house.InDbAsync(db => db.Runs.Where(r => r.SessionId == newest.SessionId).ExecuteUpdateAsync(r => r.SetProperty(x => x.Surface, Surface.Track)));
        Assert.Equal(tests.Count, (await InAsync(b => b.TestsAsync(1, 68.4))).Count);
        Assert.Equal(tests.Count - 1, (await InAsync(b => b.TestsAsync(1, 68.4, but: newest.SessionId))).Count);

        // A day with one load gives no line and says why; a test day does, of its free runs and four loads.
        Assert.All(tests, t => Assert.Equal(t.Points.Select(p => p.Kilograms).Distinct().Count() >= LoadLine.FewestLoads, t.Found.Line is not null));
        Assert.Contains(tests, t => t.Found.Reason is { } reason && reason.Contains("at least 2 loads", StringComparison.Ordinal));
        var line = tests.First(t => t.Found.Line is not null).Found.Line!;

        // Noor Haddadin as the demo simulates her (F0 7.7, V0 9.2, friction 0.56, a little faster each week): 30% slower from the balance of forces.
        var truth = new InchBurst.Core.Sprint.SprintSimulation(7.7, 9.2);
        var drag = new InchBurst.Core.Sprint.BodyAndAir(68.4, 1.74).DragConstant / 68.4;
        double Slower(double kg) => 100 * (1 - (truth.TopSpeed(new(drag, ResistancePerKilogram: 0.56 * 9.81 * kg / 68.4)) / truth.TopSpeed(new(drag))));
        Assert.InRange(Slower(line.For(30).Kilograms), 27, 33);
        Assert.InRange(Slower(line.For(50).Kilograms), 46, 54);

        // Days with one load beside free runs say how much it slowed and what to take next, no more than a step away.
        var push = tests.First(t => t.Runs.Slowings.Count == 1);
        Assert.InRange(push.Runs.Slowings[0].Decrement, 20, 40);
        var page = await coach.PageAsync("/Loads/1");
        Assert.Contains(page.QuerySelectorAll(".day-load"), d => d.TextContent.Contains($"{Figures.Number(push.Runs.Slowings[0].Decrement)}% slower, next ", StringComparison.Ordinal));
        Assert.Equal(tests.Count, page.QuerySelectorAll(".sled-days tbody tr:not(.more)").Length);
        Assert.Contains("synthetic track", page.QuerySelector(".loads-line")!.TextContent);
        var grass = await coach.PageAsync("/Loads/1?surface=Grass");
        Assert.Contains("none yet", grass.QuerySelector(".loads-head")!.TextContent);
        Assert.Equal("One sprint + friction", grass.QuerySelector("[data-sources] .name")!.TextContent);
        Assert.Equal(HttpStatusCode.NotFound, (await coach.GetAsync("/Loads/999")).Code);
    }

    [Fact]
    public async Task A_page_answers_without_scripts_and_sets_the_load_of_the_next_line()
    {
        var (session, line) = await PushAsync();
        var page = await coach.PageAsync("/Loads/1?by=20&surface=Track");
        Assert.Contains("20%", page.QuerySelector(".loads-set")!.TextContent);
        Assert.Contains("Tuesday push, line 14", page.QuerySelector(".loads-set")!.TextContent);
        var answer = (await coach.GetAsync("/Loads/1?handler=Answer&surface=Track&by=20&step=1")).Page.Body!.TextContent;
        Assert.Contains("\"kilograms\"", answer);
        var (_, _, set) = await coach.PostAsync("/Loads/1", "/Loads/1?handler=Set", ("session", $"{session}"), ("line", $"{line}"), ("by", "20"), ("surface", "Track"));
        Assert.Equal($"/Sessions/{session}?line={line}", set.Headers.Location!.OriginalString);
        Assert.Equal(new LineLoad(LoadKind.Sled, -20, LoadUnit.PercentSpeed), await house.InDbAsync(async db => PlanJson.Read((await db.Sessions.SingleAsync(s => s.Id == session)).PlanJson).Line(line)!.Load));

        // What was set is a version of the plan, so that it can be taken back.
        await coach.PostAsync($"/Sessions/{session}", $"/Sessions/{session}?handler=Undo");
        Assert.Equal(LoadUnit.StrongPush, await house.InDbAsync(async db => PlanJson.Read((await db.Sessions.SingleAsync(s => s.Id == session)).PlanJson).Line(line)!.Load!.Unit));
        Assert.Equal(HttpStatusCode.NotFound, (await coach.PostAsync("/Loads/1", "/Loads/1?handler=Set", ("session", $"{session}"), ("line", $"{line}"), ("by", "-4"), ("surface", "Track"))).Code);
        Assert.True((await coach.PageAsync("/Loads/1?by=-4&surface=Track")).QuerySelector(".loads-set")!.HasAttribute("hidden"));
        Assert.Equal(HttpStatusCode.NotFound, (await coach.PostAsync("/Loads/1", "/Loads/1?handler=Set", ("session", "9999"), ("line", "1"), ("by", "20"))).Code);
    }

    [Fact]
    public async Task The_sheet_has_everybody_expected_with_plates_the_club_owns()
    {
        var (session, line) = await PushAsync();
        var page = await coach.PageAsync($"/Sessions/{session}/Loads/{line}");
        var expected = await house.InDbAsync(db => db.Athletes.Where(a => a.SquadId == 1 && a.Availability != Availability.Out).Select(a => a.Name).ToListAsync());
        Assert.Equal(expected.Order(), page.QuerySelectorAll(".sleds .turn a").Select(a => a.TextContent).Order());
        Assert.Equal(2, page.QuerySelectorAll(".sled").Length);
        Assert.All(page.QuerySelectorAll(".sleds .turn span"), s => Assert.All(s.TextContent.Split(" + "), p => Assert.Contains(p, new[] { "20", "10", "5", "2.5", "sled alone" })));
        Assert.Equal(HttpStatusCode.NotFound, (await coach.GetAsync($"/Sessions/{session}/Loads/999")).Code);

        // The builder says what it weighs for the group.
        Assert.Matches(@"^\d+(\.\d)? to \d+(\.\d)? kg", (await coach.PageAsync($"/Sessions/{session}")).QuerySelector(".row-loads")!.TextContent);

        // Without sleds the loads stand there still, to the athlete.
        await InAsync(async b => await b.KeepKitAsync(ClubKit.Empty, (await b.KitAsync()).Version));
        var bare = await coach.PageAsync($"/Sessions/{session}/Loads/{line}");
        Assert.Equal(expected.Count, bare.QuerySelectorAll("table.rows tbody tr").Length);
        Assert.Contains("which", bare.QuerySelector(".caution")!.TextContent);

        // Children pull light loads only.
        var juniors = await coach.PageAsync("/Loads/15?by=30");
        Assert.Contains("young", juniors.QuerySelector(".loads-mind")!.TextContent);
    }

    [Fact]
    public async Task Kit_is_added_removed_and_never_overwrites_what_somebody_else_changed()
    {
        var (_, version) = await InAsync(b => b.KitAsync());
        Task<(HttpStatusCode, AngleSharp.Dom.IDocument Page, HttpResponseMessage)> Post(string handler, int at, params (string, string)[] fields) => coach.PostAsync("/Settings/Kit", $"/Settings/Kit?handler={handler}", [.. fields, ("version", $"{at}")]);
        await Post("Sled", version, ("name", "Third"), ("kilograms", "12,5"), ("kind", "skids"));
        await Post("Plate", version + 1, ("plate", "1.25"), ("count", "4"));
        await Post("Plate", version + 2, ("plate", "1.25"), ("count", "6"));
        await Post("Pull", version + 3, ("sled", "Third"), ("surface", "Hall"), ("total", "22.5"), ("newtons", "44 46 48"));
        var (kit, now) = await InAsync(b => b.KitAsync());
        Assert.Equal(version + 4, now);
        Assert.Equal(("Third", 12.5), (kit.Sleds[^1].Name, kit.Sleds[^1].Kilograms));
        Assert.Equal(6, kit.Plates.Single(p => p.Kilograms == 1.25).Count);
        Assert.Equal(46 / (22.5 * 9.81), kit.On(Surface.Hall).Mu, 6);

        // A form opened before somebody else's change stores nothing.
        Assert.Contains("meanwhile", (await Post("RemoveSled", version, ("at", "0"))).Page.Body!.TextContent);
        Assert.Equal(3, (await InAsync(b => b.KitAsync())).Kit.Sleds.Count);
        await Post("RemoveSled", now, ("at", "2"));
        await Post("RemovePlate", now + 1, ("at", $"{kit.Plates.Count - 1}"));
        await Post("RemovePull", now + 2, ("at", $"{kit.Pulls.Count - 1}"));
        var after = (await InAsync(b => b.KitAsync())).Kit;
        Assert.Equal("skids", kit.Pulls[^1].Kind);
        Assert.Equal((2, kit.Plates.Count - 1, kit.Pulls.Count - 1), (after.Sleds.Count, after.Plates.Count, after.Pulls.Count));
    }

    [Fact]
    public async Task A_harness_is_kept_worked_with_and_refused_where_it_cannot_be()
    {
        var (_, version) = await InAsync(b => b.KitAsync());
        async Task<AngleSharp.Dom.IDocument> Post(string handler, int at, params (string, string)[] fields) => (await coach.PostAsync("/Settings/Kit", $"/Settings/Kit?handler={handler}", [.. fields, ("version", $"{at}")])).Page;
        var wrong = await Post("Harness", version, ("at", "Chest"), ("rope", "0.2"), ("hook", "0.1"));
        Assert.Contains(wrong.QuerySelectorAll(".wrong"), w => w.TextContent.Contains("0.5 to 50 m", StringComparison.Ordinal));
        Assert.Equal(("0.2", "Chest"), (wrong.QuerySelector("[name=rope]")!.GetAttribute("value"), wrong.QuerySelector("[name=at] option[selected]")!.GetAttribute("value")));
        var before = (await InAsync(b => b.KitAsync())).Kit.On(Surface.Track).Mu;
        Assert.Contains("takes", (await Post("Harness", version, ("at", "Chest"), ("rope", "3,5"), ("hook", "0.1"))).Body!.TextContent);
        var (kit, now) = await InAsync(b => b.KitAsync());
        Assert.Equal(new Harness(HarnessAt.Chest, 3.5, 0.1), kit.Harness);
        Assert.True(kit.On(Surface.Track).Mu < before * 0.9);
        await Post("RemoveHarness", now);
        Assert.Equal(before, (await InAsync(b => b.KitAsync())).Kit.On(Surface.Track).Mu);
    }

    [Fact]
    public async Task Days_since_the_test_are_in_the_line_the_weeks_are_told_and_free_runs_after_the_sled_stand_beside_the_usual()
    {
        var tests = await InAsync(b => b.TestsAsync(1, 68.4));
        var ended = tests.Where(t => t.Found.Line is not null).ToList();
        var later = tests.Where(t => t.Day > ended[1].Day && t.SessionId != ended[0].SessionId).ToList();
        Assert.NotEmpty(later);
        var standing = (await InAsync(b => b.StandingAsync(1, 68.4, Surface.Track, ended[0].Day, but: ended[0].SessionId)))!;
        Assert.Equal((ended[1].Day, later.Count, ended[1].Points.Count + later.Sum(t => t.Points.Count(p => p.Kilograms > 0))), (standing.Day, standing.Later, standing.Points.Count));
        Assert.NotEqual(ended[1].Found.Line, standing.Found.Line);
        Assert.Null(await InAsync(b => b.StandingAsync(1, 68.4, Surface.Grass, ended[0].Day)));
        Assert.Null(await InAsync(b => b.StandingAsync(1, 68.4, Surface.Track, ended[0].Day.AddDays(LoadBook.OldestDays))));

        // A push or contrast day: free 20 m within twelve minutes of the last sled, against those without one before.
        var contrasts = await InAsync(b => b.ContrastsAsync(1, ended[0].Day.AddDays(7)));
        Assert.Equal(tests.Where(t => t.Runs.Slowings.Count == 1).Select(t => t.SessionId).Order(), contrasts.Keys.Order());
        Assert.All(contrasts.Values, c => Assert.InRange(c.FasterPercent, -3, 3));
        Assert.All(contrasts.Values, c => Assert.True(c.UsualRuns >= 2 * (ended.Count - 1)));
        Assert.Empty(await InAsync(b => b.ContrastsAsync(1, ended[0].Day.AddDays(LoadBook.OldestDays + 1))));

        // The review of such a day says it of everybody, from what was known by then; a day without loads says nothing.
        var day = contrasts.Keys.Max();
        var review = (await coach.PageAsync($"/Sessions/{day}/Review")).QuerySelector(".contrasts")!;
        Assert.True(review.QuerySelectorAll("tr").Length >= 8);
        var then = (await InAsync(b => b.ContrastsAsync(1, tests.Single(t => t.SessionId == day).Day)))[day];
        Assert.Contains(review.QuerySelectorAll("tr"), r => r.TextContent.Contains(then.Difference, StringComparison.Ordinal) && r.QuerySelector("a[href='/Loads/1']") is not null);
        Assert.Equal(contrasts[day].Seconds, then.Seconds);
        Assert.True(then.UsualRuns <= contrasts[day].UsualRuns);
        Assert.Null((await coach.PageAsync("/Sessions/47/Review")).QuerySelector(".contrasts"));

        // What was dragged is no maximum of anything.
        var results = (await coach.PageAsync("/Athletes/1")).Body!.TextContent;
        Assert.Contains("squat", results);
        Assert.DoesNotMatch(@"\d x \d+ m\s+load", results);

        var page = await coach.PageAsync("/Loads/1");
        Assert.Equal(8, page.QuerySelectorAll(".weeks li").Length);
        Assert.Single(page.QuerySelectorAll(".weeks li[aria-current=step]"));
        Assert.Contains("Tuesday push", page.QuerySelector(".way-next")!.TextContent);
        Assert.Contains(page.QuerySelectorAll(".sled-days tr.more"), r => r.TextContent.Contains("free after the load, usual", StringComparison.Ordinal));
        Assert.Contains("holds the load light", (await coach.PageAsync("/Loads/15")).QuerySelector(".way")!.TextContent);
    }

    [Fact]
    public async Task A_kind_of_sled_said_of_a_session_keeps_its_line_apart()
    {
        var (_, version) = await InAsync(b => b.KitAsync());
        await coach.PostAsync("/Settings/Kit", "/Settings/Kit?handler=Sled", ("name", "Roller"), ("kilograms", "15"), ("kind", "wheels"), ("version", $"{version}"));
        var newest = (await InAsync(b => b.TestsAsync(1, 68.4))).First(t => t.Found.Line is not null);
        Assert.Equal("wheels", (await coach.PageAsync($"/Sessions/{newest.SessionId}")).QuerySelectorAll("[name='Input.Sled'] option")[1].GetAttribute("value"));
        await house.InDbAsync(db => db.Sessions.Where(s => s.Id == newest.SessionId).ExecuteUpdateAsync(s => s.SetProperty(x => x.Sled, "wheels")));
        var (unsaid, wheels) = (await InAsync(b => b.StandingAsync(1, 68.4, Surface.Track, newest.Day)), await InAsync(b => b.StandingAsync(1, 68.4, Surface.Track, newest.Day, sled: "Wheels")));
        Assert.NotEqual(newest.SessionId, unsaid!.SessionId);
        Assert.Equal((newest.SessionId, "wheels"), (wheels!.SessionId, wheels.Sled));
        Assert.Null(await InAsync(b => b.StandingAsync(1, 68.4, Surface.Track, newest.Day, sled: "runners")));

        // The page takes the newest line's sled, and another where it is asked for.
        var page = await coach.PageAsync("/Loads/1");
        Assert.Equal("wheels", page.QuerySelector("#l-sled option[selected]")!.TextContent);
        Assert.Contains("15", page.QuerySelector("[data-a=plates]")!.TextContent);
        Assert.Contains("from the table", page.QuerySelector("[data-sources]")!.TextContent);
        var other = await coach.PageAsync("/Loads/1?surface=Track&sled=");
        Assert.Contains("your pull test", other.QuerySelector("[data-sources]")!.TextContent);
        Assert.NotEqual(page.QuerySelector("[data-document]")!.GetAttribute("data-document"), other.QuerySelector("[data-document]")!.GetAttribute("data-document"));
    }

    [Fact]
    public async Task What_a_band_costs_is_learnt_from_runs_beside_free_ones_and_used_from_then_on()
    {
        Assert.Empty(await InAsync(b => b.CostsAsync()));
        const string url = "/Sessions/49/Trackside";
        await coach.PostAsync(url, url + "?handler=Start", [.. Enumerable.Range(1, 3).Select(i => ("here", $"{i}"))]);
        async Task<int> LineAsync(string text)
        {
            await coach.PostAsync("/Sessions/49", "/Sessions/49?handler=Add", ("text", text));
            var line = await house.InDbAsync(async db => PlanJson.Read((await db.Sessions.SingleAsync(s => s.Id == 49)).RanPlanJson!).Lines.Last().Id);
            await coach.PostAsync(url, url + "?handler=Line", ("line", $"{line}"));
            return line;
        }

        Task Save(int line, int athlete, int rep, double slower) => coach.PostAsync(url, url + "?handler=Save", [("client", $"{Guid.NewGuid()}"), ("athlete", $"{athlete}"), ("line", $"{line}"), ("rep", $"{rep}"), ("overrule", "true"),
            .. new[] { 10.0, 20 }.Select(m => ("mark", new InchBurst.Core.Sprint.SprintCurve(8.6 * (1 - (slower / 100)), 1.15).TimeTo(m).ToString("0.00", System.Globalization.CultureInfo.InvariantCulture)))]);
        var free = await LineAsync("4 x 20 m gates 10,20");
        foreach (var athlete in new[] { 1, 2, 3 })
        {
            await Save(free, athlete, 1, 0);
        }

        var band = await LineAsync("4 x 20 m band light gates 10,20");
        await Save(band, 1, 1, 11);
        await Save(band, 2, 1, 12);
        await Save(band, 3, 1, 13);
        var cost = (await InAsync(b => b.CostsAsync()))["bandlight"];
        Assert.Equal(3, cost.Runs);
        Assert.InRange(cost.Decrement, 11, 13);
        Assert.Contains("Band light", (await coach.PageAsync("/Settings/Kit")).Body!.TextContent);

        // From then on a light band is what it was measured to be, wherever it is asked.
        var athlete4 = await house.InDbAsync(db => db.Athletes.SingleAsync(a => a.Id == 4));
        var known = (await InAsync(b => b.KnownAsync(athlete4, Surface.Unsaid, ClubKit.Empty, new DateOnly(2026, 11, 26)))).Known;
        Assert.Equal(cost.Decrement, LoadEffect.Of(new(LoadKind.Band, 0, LoadUnit.Light), known).DecrementPercent, 6);
    }

    [Fact]
    public async Task Who_must_not_be_pulled_is_told_with_the_steps_and_the_times_that_prove_a_speed()
    {
        var page = await coach.PageAsync("/Loads/1?surface=Track");
        Assert.Empty(page.QuerySelectorAll(".tow .caution"));
        var rows = page.QuerySelectorAll(".tow-speeds tbody tr").Select(r => r.TextContent.Trim()).ToList();
        Assert.StartsWith("+5%", rows[^1]);
        Assert.Equal("45678", string.Concat(page.QuerySelectorAll(".cords tbody tr")[1].QuerySelectorAll("td").Select(d => d.TextContent.Trim())));
        Assert.Contains(page.QuerySelectorAll(".tow-steps li"), l => l.TextContent.Contains("nobody stands in line", StringComparison.Ordinal));
        Assert.Contains("Not on a hard floor", (await coach.PageAsync("/Loads/1?surface=Road")).QuerySelector(".tow .caution")!.TextContent);
        Assert.Contains("Young athletes are not pulled", (await coach.PageAsync("/Loads/15")).QuerySelector(".tow .caution")!.TextContent);
        var tuva = await house.InDbAsync(db => db.Athletes.SingleAsync(a => a.Name == "Tuva Rekdal"));
        Assert.Contains("tight calf", (await coach.PageAsync($"/Loads/{tuva.Id}")).QuerySelector(".tow .caution")!.TextContent);
    }

    [Fact]
    public async Task A_load_test_is_planned_and_put_into_a_session_in_one_step()
    {
        // Every form of the page carries what lets it be sent.
        Assert.All((await coach.PageAsync("/Loads/1")).QuerySelectorAll(".loads form[method=post]"), f => Assert.NotNull(f.QuerySelector("[name=__RequestVerificationToken]")));
        var (_, _, made) = await coach.PostAsync("/Loads/1", "/Loads/Test?handler=Plan", ("surface", "Turf"));
        var id = int.Parse(made.Headers.Location!.OriginalString.Split('/')[^1], System.Globalization.CultureInfo.InvariantCulture);
        var session = await house.InDbAsync(db => db.Sessions.SingleAsync(s => s.Id == id));
        Assert.Equal((Surface.Turf, 4), (session.Surface, PlanJson.Read(session.PlanJson).Lines.Count(l => l.Load is { Kind: LoadKind.Sled })));
        await coach.PostAsync("/Sessions/49", "/Sessions/49?handler=LoadTest");
        var lines = await house.InDbAsync(async db => PlanJson.Read((await db.Sessions.SingleAsync(s => s.Id == 49)).PlanJson).Lines.ToList());
        Assert.Equal(4, lines.Count(l => l.Load is { Kind: LoadKind.Sled, Unit: LoadUnit.PercentBodyMass }));
        Assert.Equal("cool-down", lines[^1].Exercise);
    }

    [Fact]
    public async Task At_the_line_the_load_is_said_kept_and_judged()
    {
        var (session, line) = await PushAsync();
        var url = $"/Sessions/{session}/Trackside";
        await coach.PostAsync(url, url + "?handler=Start", [.. Enumerable.Range(1, 4).Select(i => ("here", $"{i}"))]);
        await coach.PostAsync(url, url + "?handler=Line", ("line", $"{line}"));
        var page = await coach.PageAsync(url);
        var call = page.QuerySelector(".t-load")!.TextContent;
        Assert.Contains("inside", call);
        var who = int.Parse(page.QuerySelector("#t-entry input[name=athlete]")!.GetAttribute("value")!, System.Globalization.CultureInfo.InvariantCulture);
        var said = page.QuerySelector("[data-load=load]")!.TextContent;
        Assert.Equal(Figures.Number(Kg(said), 1), page.QuerySelector(".t-really")!.GetAttribute("placeholder"));
        var window = page.QuerySelector("[data-load=window]")!.TextContent.Split(' ');
        var (fastest, slowest) = (window[3], window[5]);

        Task<Data.Entities.Run> SaveAsync(int rep, string last, string load) => house.InDbAsync(async db =>
        {
            await coach.PostAsync(url, url + "?handler=Save", ("client", $"{Guid.NewGuid()}"), ("athlete", $"{who}"), ("line", $"{line}"), ("rep", $"{rep}"), ("overrule", "true"), ("part", "Missed"), ("mark", ""), ("mark", ""), ("mark", last), ("load", load));
            return await db.Runs.Include(r => r.Measures).OrderByDescending(r => r.Id).FirstAsync();
        });
        string Middle(double share) => ((double.Parse(fastest, System.Globalization.CultureInfo.InvariantCulture) * (1 - share)) + (double.Parse(slowest, System.Globalization.CultureInfo.InvariantCulture) * share)).ToString("0.00", System.Globalization.CultureInfo.InvariantCulture);
        Assert.Equal(Kg(said), Assert.Single((await SaveAsync(1, Middle(0.5), "")).Measures).Value);
        Assert.Contains("inside", (await coach.PageAsync(url)).QuerySelector(".t-loadsaid")!.TextContent);
        Assert.Equal(20, Assert.Single((await SaveAsync(2, Middle(-0.5), "20")).Measures).Value);
        Assert.Contains("20 kg: ", (await coach.PageAsync(url)).QuerySelector(".t-loadsaid")!.TextContent);
        Assert.Contains("too light: add", (await coach.PageAsync(url)).QuerySelector(".t-loadsaid")!.TextContent);
        await SaveAsync(3, Middle(2), "");
        Assert.Contains("too heavy: take", (await coach.PageAsync(url)).QuerySelector(".t-loadsaid")!.TextContent);
        Assert.DoesNotContain("Load ", (await coach.PageAsync(url)).QuerySelector("#t-last")!.TextContent);
    }

    private static double Kg(string text) => double.Parse(text.Split(' ')[0], System.Globalization.CultureInfo.InvariantCulture);
}
