using System.Net;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Web.Tests;

/// <summary>An athlete's own view: opens without signing in, shows nobody else, and closes when it is withdrawn, runs out, or its athlete leaves.</summary>
public sealed class LinkTests : IAsyncLifetime
{
    private TestHouse house = null!;
    private Visitor coach = null!;

    public async ValueTask InitializeAsync()
    {
        house = await TestHouse.OpenAsync(demo: true);
        coach = await house.CoachAsync();
    }

    public ValueTask DisposeAsync() => house.DisposeAsync();

    private async Task<string> MakeAsync(int athlete, string days = "30")
    {
        var made = await coach.PostAsync($"/Athletes/{athlete}/Link", $"/Athletes/{athlete}/Link?handler=Make", ("days", days));
        return new Uri(made.Page.QuerySelector("#address")!.GetAttribute("value")!).AbsolutePath;
    }

    private async Task<HttpStatusCode> OpensAsync(string path) => (await house.Visitor().GetAsync(path)).Code;

    [Fact]
    public async Task It_shows_the_card_the_curve_and_the_bests_of_one_athlete_and_nobody_elses_name()
    {
        var path = await MakeAsync(8);
        var (code, page, answer) = await house.Visitor().GetAsync(path);

        Assert.Equal(HttpStatusCode.OK, code);
        var (own, others) = await house.InDbAsync(async db => (await db.Athletes.Where(a => a.Id == 8).Select(a => a.Name).SingleAsync(), await db.Athletes.Where(a => a.Id != 8).Select(a => a.Name).ToListAsync()));
        Assert.Equal(own, page.QuerySelector("h1")!.TextContent);
        var text = page.DocumentElement.OuterHtml;
        Assert.All(others, name => Assert.DoesNotContain(name, text, StringComparison.Ordinal));
        Assert.NotEmpty(page.QuerySelectorAll(".card-lines li"));
        Assert.All(page.QuerySelectorAll(".card-lines li"), li => Assert.NotNull(li.QuerySelector(".muted")));
        Assert.NotNull(page.QuerySelector(".own-curve"));
        Assert.NotEmpty(page.QuerySelectorAll(".bests .figure"));
        Assert.Empty(page.QuerySelectorAll("form, a[href]"));
        Assert.Equal(["noindex, nofollow"], answer.Headers.GetValues("X-Robots-Tag"));
        Assert.Equal(["no-referrer"], answer.Headers.GetValues("Referrer-Policy"));
        Assert.True(answer.Headers.CacheControl!.NoStore);
    }

    [Fact]
    public async Task It_opens_nothing_besides_itself_and_its_key_is_kept_nowhere()
    {
        var path = await MakeAsync(8);
        var visitor = house.Visitor();
        await visitor.GetAsync(path);

        Assert.Contains("/SignIn", (await visitor.GetAsync("/Athletes/8")).Response.RequestMessage!.RequestUri!.ToString() + (await visitor.GetAsync("/Athletes/8")).Response.Headers.Location, StringComparison.Ordinal);
        var links = await house.InDbAsync(db => db.AthleteLinks.ToListAsync());
        var key = path.Split('/')[^1];
        Assert.Equal((8, 64), (links[0].AthleteId, links[0].KeyHash.Length));
        Assert.DoesNotContain(key, links[0].KeyHash, StringComparison.OrdinalIgnoreCase);
        Assert.NotNull(links[0].OpenedOn);
        Assert.Equal(HttpStatusCode.NotFound, await OpensAsync(path[..^1] + (path[^1] == 'A' ? 'B' : 'A')));
        Assert.Equal(HttpStatusCode.NotFound, await OpensAsync("/Mine/x"));
        Assert.Equal(HttpStatusCode.NotFound, await OpensAsync($"/Mine/{links[0].KeyHash}"));
    }

    [Fact]
    public async Task Withdrawn_run_out_or_left_it_does_not_exist()
    {
        var (withdrawn, old, left, stays) = (await MakeAsync(8), await MakeAsync(8, "7"), await MakeAsync(9), await MakeAsync(8));
        var first = await house.InDbAsync(db => db.AthleteLinks.OrderBy(l => l.Id).Select(l => l.Id).FirstAsync());

        Assert.Equal(HttpStatusCode.NotFound, (await coach.PostAsync("/Athletes/9/Link", "/Athletes/9/Link?handler=Withdraw", ("link", $"{first}"))).Code);
        Assert.Equal(HttpStatusCode.OK, await OpensAsync(withdrawn));
        var done = await coach.PostAsync("/Athletes/8/Link", "/Athletes/8/Link?handler=Withdraw", ("link", $"{first}"));
        await house.InDbAsync(async db =>
        {
            var day = (await db.AthleteLinks.Where(l => l.Id == first + 1).SingleAsync()).ExpiresOn;
            await db.AthleteLinks.Where(l => l.Id == first + 1).ExecuteUpdateAsync(u => u.SetProperty(l => l.ExpiresOn, day.AddDays(-8)));
            return await db.Athletes.Where(a => a.Id == 9).ExecuteUpdateAsync(u => u.SetProperty(a => a.RetiredAt, DateTime.UtcNow));
        });

        Assert.Equal([HttpStatusCode.NotFound, HttpStatusCode.NotFound, HttpStatusCode.NotFound, HttpStatusCode.OK], new[] { await OpensAsync(withdrawn), await OpensAsync(old), await OpensAsync(left), await OpensAsync(stays) });
        Assert.Equal(1, (await coach.PageAsync("/Athletes/8/Link")).QuerySelectorAll("tbody tr").Length);
        Assert.Contains("?withdrawn=true", done.Response.RequestMessage!.RequestUri!.ToString() + done.Response.Headers.Location, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Of_the_young_a_guardian_is_asked_first()
    {
        await house.InDbAsync(db => db.Athletes.Where(a => a.Id == 16).ExecuteUpdateAsync(u => u.SetProperty(a => a.BirthYear, DateTime.UtcNow.Year - 14).SetProperty(a => a.ConsentOn, (DateOnly?)null)));
        var refused = await coach.PostAsync("/Athletes/16/Link", "/Athletes/16/Link?handler=Make", ("days", "30"));
        Assert.Contains("no consent is noted", refused.Page.QuerySelector("[role=alert]")!.TextContent);
        Assert.Null(refused.Page.QuerySelector("#address"));

        await house.InDbAsync(db => db.Athletes.Where(a => a.Id == 16).ExecuteUpdateAsync(u => u.SetProperty(a => a.ConsentOn, new DateOnly(2026, 9, 1))));
        Assert.Equal(HttpStatusCode.OK, await OpensAsync(await MakeAsync(16)));
        Assert.Contains("on this machine only", (await coach.PostAsync("/Athletes/16/Link", "/Athletes/16/Link?handler=Make", ("days", "30"))).Page.QuerySelector(".link-made .caution")!.TextContent);
        Assert.Equal("Choose one of these.", (await coach.PostAsync("/Athletes/16/Link", "/Athletes/16/Link?handler=Make", ("days", "4000"))).Page.QuerySelector("[role=alert]")!.TextContent);
    }
}
