using System.Net;
using InchBurst.Data;
using InchBurst.Data.Safe;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.Routing;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace InchBurst.Web.Tests;

/// <summary>Who may come in, what a page may load, and what is refused.</summary>
public sealed class SafetyTests
{
    private static readonly string[] Pages = ["/", "/Season", "/Season/Year", "/Season/Calendar", "/Season/Import", "/Season/Suggest", "/Season/Suggest/Session", "/Season/Compare", "/Season/Print", "/Season/Minutes?match=1", "/Sessions", "/Sessions/New", "/Sessions/49", "/Sessions/49/Trackside", "/Sessions/48/Review", "/Athletes", "/Athletes/1", "/Athletes/Edit?id=1", "/Settings", "/Drills", "/Drills/A-skip", "/Drills/Edit", "/Sessions/49/Versions", "/Sessions/49?line=1", "/Sessions/49?block=2", "/Sessions/49/Sheet", "/Sessions/49/Card", "/Settings/Schools"];

    [Fact]
    public async Task Everything_but_the_named_pages_asks_for_a_sign_in()
    {
        await using var house = await TestHouse.OpenAsync(demo: true);
        var open = house.Services.GetRequiredService<EndpointDataSource>().Endpoints
            .Where(e => e.Metadata.GetMetadata<PageActionDescriptor>() is not null && e.Metadata.GetMetadata<IAllowAnonymous>() is not null)
            .Select(e => e.Metadata.GetMetadata<PageActionDescriptor>()!.ViewEnginePath).Distinct().Order();
        Assert.Equal(["/Account/FirstRun", "/Account/SignIn", "/Mine", "/Trouble"], open);
        foreach (var path in Pages)
        {
            var (code, _, response) = await house.Visitor().GetAsync(path);
            Assert.Equal(HttpStatusCode.Redirect, code);
            Assert.Contains("/SignIn", response.Headers.Location!.ToString());
        }
    }

    [Fact]
    public async Task Pages_load_nothing_from_elsewhere_and_carry_no_inline_code()
    {
        await using var house = await TestHouse.OpenAsync(demo: true);
        var coach = await house.CoachAsync();
        foreach (var path in Pages)
        {
            var (code, page, response) = await coach.GetAsync(path);
            Assert.Equal(HttpStatusCode.OK, code);
            var policy = response.Headers.GetValues("Content-Security-Policy").Single();
            Assert.DoesNotContain("unsafe", policy.Replace("'wasm-unsafe-eval'", "", StringComparison.Ordinal));
            Assert.Equal("nosniff", response.Headers.GetValues("X-Content-Type-Options").Single());
            Assert.All(page.QuerySelectorAll("script"), s => Assert.True(s.GetAttribute("type") == "application/json" || (s.HasAttribute("src") && s.TextContent.Trim().Length == 0), path));
            Assert.Empty(page.QuerySelectorAll("style, [style]"));
            Assert.All(page.All, e => Assert.DoesNotContain(e.Attributes, a => a.Name.StartsWith("on", StringComparison.OrdinalIgnoreCase)));
            Assert.All(page.QuerySelectorAll("script[src], img[src], link[href]"), e => Assert.StartsWith("/", e.GetAttribute("src") ?? e.GetAttribute("href")));
            Assert.Contains("made up", page.QuerySelector(".made-up")?.TextContent ?? (path.Contains("Trackside") || path.EndsWith("Sheet") || path.EndsWith("Card") || path.EndsWith("Print") ? "made up" : ""));
        }
    }

    [Fact]
    public async Task Ships_every_file_it_asks_for()
    {
        await using var house = await TestHouse.OpenAsync(demo: true);
        var visitor = house.Visitor();
        var page = await visitor.PageAsync("/SignIn");
        var wanted = page.QuerySelectorAll("script[src], link[href]").Select(e => e.GetAttribute("src") ?? e.GetAttribute("href")!).ToList();
        Assert.NotEmpty(wanted);
        foreach (var path in wanted.Append("/lib/sortable.esm.js").Append("/js/trackside.js"))
        {
            Assert.Equal(HttpStatusCode.OK, (await visitor.GetAsync(path)).Code);
        }
    }

    [Fact]
    public async Task A_change_without_its_token_is_refused()
    {
        await using var house = await TestHouse.OpenAsync(demo: true);
        var coach = await house.CoachAsync();
        Assert.Equal(HttpStatusCode.BadRequest, (await coach.SendAsync("/Sessions/49?handler=Add", "", ("text", "4 x 20 m"))).Code);
        Assert.Equal(0, await house.InDbAsync(db => db.PlanRevisions.CountAsync(r => r.SessionId == 49 && r.Number > 0)));
    }

    [Fact]
    public async Task The_first_run_makes_one_owner_and_then_is_gone()
    {
        await using var house = await TestHouse.OpenAsync();
        var visitor = house.Visitor();
        Assert.Equal("/FirstRun", (await visitor.GetAsync("/SignIn")).Response.Headers.Location!.ToString());
        var (code, page, _) = await visitor.PostAsync("/FirstRun", "/FirstRun", ("Input.Club", "Harbour"), ("Input.Squad", ""), ("Input.Name", "Odalys"), ("Input.Password", "short"));
        Assert.Equal(HttpStatusCode.OK, code);
        Assert.Contains("What is the squad called?", page.Body!.TextContent);
        Assert.Contains("At least 10 characters", page.Body.TextContent);
        Assert.Equal("Harbour", page.QuerySelector("#Input_Club")!.GetAttribute("value"));
        Assert.False(await house.InDbAsync(db => db.Clubs.AnyAsync()));

        var coach = await house.CoachAsync();
        await coach.PageAsync("/");
        Assert.Equal("/SignIn", (await house.Visitor().GetAsync("/FirstRun")).Response.Headers.Location!.ToString());
        // The demo's button does not exist for a real club.
        Assert.Equal(HttpStatusCode.NotFound, (await house.Visitor().PostAsync("/SignIn", "/SignIn?handler=Demo")).Code);
        var wrong = await house.Visitor().PostAsync("/SignIn", "/SignIn", ("Input.Name", "Odalys Brandvold"), ("Input.Password", "not the one"));
        Assert.Contains("do not go together", wrong.Page.Body!.TextContent);
        var right = await house.Visitor().PostAsync("/SignIn", "/SignIn", ("Input.Name", "Odalys Brandvold"), ("Input.Password", "long enough"));
        Assert.Equal(HttpStatusCode.Redirect, right.Code);
    }

    [Fact]
    public async Task A_demo_never_opens_a_real_club_and_reset_never_empties_one()
    {
        var folder = Path.Combine(Path.GetTempPath(), "inch-burst-test-" + Guid.NewGuid().ToString("N"));
        await using var house = await TestHouse.OpenAsync(folder: folder);
        await house.CoachAsync();
        await using var demo = House.Build([], new HouseOptions(folder, 0, true, true, ContentRoot: house.Options.DataFolder));
        var problem = await Assert.ThrowsAsync<HouseProblem>(() => House.PrepareAsync(demo));
        Assert.Contains("real club", problem.Message);
        Assert.True(await house.InDbAsync(db => db.Clubs.AnyAsync(c => c.Name == "Harbour Runners")));
    }

    [Theory]
    [InlineData("--port", "70000")]
    [InlineData("--data")]
    [InlineData("--reset")]
    [InlineData("--colour")]
    public void Wrong_options_get_one_clear_sentence(params string[] args) => Assert.EndsWith(".", HouseOptions.Read(args).Problem);

    [Fact]
    public async Task The_file_is_in_write_ahead_mode_and_a_copy_is_whole()
    {
        await using var house = await TestHouse.OpenAsync(demo: true);
        Assert.Equal("wal", await house.InDbAsync(async db => (await db.Database.SqlQueryRaw<string>("PRAGMA journal_mode").ToListAsync()).Single()));
        var copy = Path.Combine(house.Options.DataFolder, "copy.db");
        var runs = await house.InDbAsync(async db =>
        {
            await new CopyBook(house.Options.DataFolder, TimeProvider.System).WriteAsync(copy);
            return await db.Runs.CountAsync();
        });
        await using var copied = new ClubDb(new DbContextOptionsBuilder<ClubDb>().UseSqlite($"Data Source={copy};Pooling=False").Options);
        Assert.Equal(runs, await copied.Runs.CountAsync());
        Assert.True(runs > 1000);
    }

    [Fact]
    public async Task A_full_disk_is_said_and_what_was_saved_before_stays()
    {
        await using var house = await TestHouse.OpenAsync();
        var coach = await house.CoachAsync();

        // The file may not grow: SQLite says what it says when the disk is full. The connection goes back to the pool as it is.
        await house.InDbAsync(async db =>
        {
            var pages = (await db.Database.SqlQueryRaw<int>("SELECT page_count AS Value FROM pragma_page_count").ToListAsync()).Single();
            await db.Database.OpenConnectionAsync();
            var limit = $"PRAGMA max_page_count={pages}";
            return await db.Database.ExecuteSqlRawAsync(limit);
        });
        var many = string.Join('\n', Enumerable.Range(0, 199).Select(i => $"Runner {new string('a', 60)} {i}"));
        var full = await coach.PostAsync("/Athletes", "/Athletes?handler=AddMany", ("squad", "1"), ("names", many));
        Assert.Equal(HttpStatusCode.InsufficientStorage, full.Code);
        Assert.Contains("disk of the machine that keeps the club is full", full.Page.Body!.TextContent);
        Assert.Equal(0, await house.InDbAsync(db => db.Athletes.CountAsync()));
    }
}
