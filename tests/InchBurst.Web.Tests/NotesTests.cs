using System.Net;
using System.Text.Json.Nodes;
using InchBurst.Core.Live;
using InchBurst.Core.Log;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace InchBurst.Web.Tests;

/// <summary>What is seen on lines without times, own words made into taps, and the short answer to a device with Core.</summary>
public sealed class NotesTests : IAsyncLifetime
{
    private const string Url = "/Sessions/49/Trackside";
    private TestHouse house = null!;
    private Visitor coach = null!;
    private int skip;

    public async ValueTask InitializeAsync()
    {
        house = await TestHouse.OpenAsync(demo: true);
        coach = await house.CoachAsync();
        await coach.PostAsync("/Sessions/49", "/Sessions/49?handler=Add", ("text", "side plank 2 x 30 s each side rest 0:45"));
        await coach.PostAsync(Url, Url + "?handler=Start", [.. Enumerable.Range(1, 14).Select(i => ("here", $"{i}"))]);
        var page = await coach.PageAsync(Url);
        skip = int.Parse(page.QuerySelectorAll(".t-jump form").First(f => f.QuerySelector("button")!.TextContent.Contains("A-skip", StringComparison.Ordinal)).QuerySelector("input[name=line]")!.GetAttribute("value")!, System.Globalization.CultureInfo.InvariantCulture);
        await coach.PostAsync(Url, Url + "?handler=Line", ("line", $"{skip}"));
    }

    public ValueTask DisposeAsync() => house.DisposeAsync();

    [Fact]
    public async Task A_tap_notes_it_of_one_athlete_with_a_side_and_it_is_no_rep_in_the_look_back()
    {
        var page = await coach.PageAsync(Url);
        Assert.Null(page.QuerySelector("[data-marks]"));
        var names = page.QuerySelectorAll("#t-note input[name=athlete]").Select(i => i.GetAttribute("value")!).ToList();
        Assert.True(names.Count > 10);
        var before = await house.InDbAsync(db => db.Runs.CountAsync());
        foreach (var code in new[] { "sat", "sat", "own eyes" })
        {
            await coach.PostAsync(Url, Url + "?handler=Outcome&what=NotTimed", ("client", $"{Guid.NewGuid()}"), ("athlete", names[2]), ("line", $"{skip}"), ("seen", code), ("side", "Right"));
        }

        await coach.PostAsync(Url, Url + "?handler=Outcome&what=NotTimed", ("client", $"{Guid.NewGuid()}"), ("athlete", names[3]), ("line", $"{skip}"), ("seen", "clean"));
        page = await coach.PageAsync(Url);
        Assert.Equal((3, 0), (page.QuerySelectorAll($"#t-note [data-noted='{names[2]}'] u").Length, page.QuerySelectorAll($"#t-note [data-noted='{names[3]}'] u").Length));
        Assert.Contains("✓", page.QuerySelector($"#t-note [data-noted='{names[3]}']")!.TextContent);
        Assert.Contains(": Clean", page.QuerySelector("#t-word")!.TextContent);
        Assert.Equal(before + 4, await house.InDbAsync(db => db.Runs.CountAsync()));
        await coach.PostAsync(Url, Url + "?handler=End");
        var review = await coach.PageAsync("/Sessions/49/Review");
        Assert.DoesNotContain("A-skip", review.QuerySelector("table")?.TextContent ?? "");
        Assert.Contains("Sitting low", review.Body!.TextContent);
        Assert.Contains("own eyes", review.Body.TextContent);
    }

    [Fact]
    public async Task A_line_done_together_tells_its_sets_and_sides()
    {
        var plank = await house.InDbAsync(async db => InchBurst.Core.Plan.PlanJson.Read((await db.Sessions.SingleAsync(s => s.Id == 49)).RanPlanJson!).Lines.Last(l => l.Exercise == "side plank").Id);
        var page = await coach.PageAsync($"{Url}?line={plank}");
        var steps = JsonNode.Parse(page.QuerySelector("[data-rhythm]")!.GetAttribute("data-rhythm")!)!.AsArray();
        Assert.Equal(["1 of 2, left", "1 of 2, right", "Rest", "2 of 2, left", "2 of 2, right"], steps.Select(s => (string)s!["says"]!));
        Assert.Null((await coach.PageAsync($"{Url}?line={skip}")).QuerySelector("[data-rhythm]"));
    }

    [Fact]
    public async Task Own_words_become_a_tap_with_a_drill_and_stay_words_when_it_is_taken_away()
    {
        const string chips = "/Settings/Chips";
        for (var i = 0; i < 2; i++)
        {
            await coach.PostAsync(Url, Url + "?handler=Outcome&what=NotTimed", ("client", $"{Guid.NewGuid()}"), ("athlete", "1"), ("line", $"{skip}"), ("seen", i == 0 ? "late left arm" : "Late left arm"));
        }

        var page = await coach.PageAsync(chips);
        Assert.Contains("2 times", page.QuerySelector(".own-often")!.TextContent);
        var wrong = (await coach.PostAsync(chips, chips + "?handler=Save", ("words", "x"), ("phase", "Body"), ("drills", "no such drill"), ("drills", "dead bug"))).Page;
        var said = wrong.QuerySelectorAll(".wrong").Select(w => w.TextContent.Trim()).Where(w => w.Length > 0).ToList();
        Assert.Equal(3, said.Count);
        Assert.All(said.Zip(["Say it in 2 to 40 characters", "Choose where it is seen", "“no such drill” is not in the catalogue"]), s => Assert.StartsWith(s.Second, s.First));
        Assert.Equal(("x", "no such drill"), (wrong.QuerySelector("#words")!.GetAttribute("value"), wrong.QuerySelector("#drill0")!.GetAttribute("value")));
        Assert.Contains("already", (await coach.PostAsync(chips, chips + "?handler=Save", ("words", "reached in front"), ("phase", "Upright"))).Page.QuerySelector(".wrong")!.TextContent);
        Assert.Empty((await coach.PageAsync(chips)).QuerySelectorAll("table"));

        await coach.PostAsync(chips, chips + "?handler=Save", ("words", "Late left arm"), ("phase", "Arms"), ("drills", "Seated Arm Swing"));
        page = await coach.PageAsync(chips);
        Assert.Contains("seated arm swing", page.QuerySelector("table")!.TextContent);
        Assert.Null(page.QuerySelector(".own-often"));
        Assert.Equal("Late left arm", (await coach.PageAsync(Url)).QuerySelector("#t-note .t-tile b")!.TextContent);

        // In the look back it counts as one thing, and brings its drill.
        await coach.PostAsync(Url, Url + "?handler=End");
        Assert.Contains("seated arm swing", (await coach.PageAsync("/Sessions/49/Review")).Body!.TextContent);
        Assert.Contains("seated arm swing", (await coach.PageAsync("/Athletes/1")).Body!.TextContent);

        // Saved again under the same words it is changed; taken away, what was noted stays.
        await coach.PostAsync(chips, chips + "?handler=Save", ("words", "late LEFT arm"), ("phase", "Rise"));
        Assert.Single((await coach.PageAsync(chips)).QuerySelectorAll("tbody tr"));
        await coach.PostAsync(chips, chips + "?handler=Remove", ("words", "late LEFT arm"));
        Assert.Empty((await coach.PageAsync(chips)).QuerySelectorAll("table"));
        Assert.Contains("ate left arm", (await coach.PageAsync("/Athletes/1")).Body!.TextContent);
    }

    [Fact]
    public async Task A_device_with_Core_is_answered_with_what_changed_and_any_other_with_the_picture()
    {
        async Task<HttpResponseMessage> Note(string part, Guid client)
        {
            coach.Part = null;
            var token = (await coach.PageAsync("/Settings")).QuerySelector("meta[name=form-token]")!.GetAttribute("content")!;
            coach.Part = part;
            return (await coach.SendAsync(Url + "?handler=Outcome&what=NotTimed", token, ("client", $"{client}"), ("athlete", "1"), ("line", $"{skip}"), ("seen", "sat"))).Response;
        }

        var client = Guid.NewGuid();
        var answer = await Note("change", client);
        Assert.Equal((HttpStatusCode.OK, "application/json", "stored"), (answer.StatusCode, answer.Content.Headers.ContentType!.MediaType, answer.Headers.GetValues("Entry-State").Single()));
        var told = JsonNode.Parse(await answer.Content.ReadAsStringAsync())!;
        var run = Assert.Single(LiveChange.Read(told["news"]!["change"]!.ToJsonString()).Runs);
        Assert.Equal((client, RunOutcome.NotTimed, true), (run.Id, run.Outcome, run.Number > 0));
        Assert.Null(told["back"]);

        // What is known already changed nothing, so the whole picture tells how things are.
        Assert.Equal("text/html", (await Note("change", client)).Content.Headers.ContentType!.MediaType);
        Assert.Equal("text/html", (await Note("live", Guid.NewGuid())).Content.Headers.ContentType!.MediaType);

        // Taking it back offers to put it back.
        coach.Part = null;
        var token = (await coach.PageAsync("/Settings")).QuerySelector("meta[name=form-token]")!.GetAttribute("content")!;
        coach.Part = "change";
        told = JsonNode.Parse(await (await coach.SendAsync($"{Url}?handler=Undo&run={run.Number}", token)).Response.Content.ReadAsStringAsync())!;
        Assert.Equal(run.Number, (long)told["back"]!["run"]!);
        Assert.True(Assert.Single(LiveChange.Read(told["news"]!["change"]!.ToJsonString()).Runs).IsTakenBack);
    }

    [Fact]
    public async Task A_page_that_nobody_named_for_timers_is_the_coachs()
    {
        var timer = await house.PersonAsync("Ravi at the gate", Roles.Timer);
        var pages = house.Services.GetRequiredService<Microsoft.AspNetCore.Mvc.Infrastructure.IActionDescriptorCollectionProvider>().ActionDescriptors.Items.OfType<Microsoft.AspNetCore.Mvc.RazorPages.PageActionDescriptor>()
            .Select(p => (p.ViewEnginePath, Address: "/" + System.Text.RegularExpressions.Regex.Replace(p.AttributeRouteInfo!.Template!, @"\{[^}]*\}", "49"))).ToList();
        Assert.True(pages.Count > 20);
        var open = new List<string>();
        foreach (var (page, address) in pages)
        {
            var (code, _, response) = await timer.GetAsync(address);
            if (!(code == HttpStatusCode.Redirect && response.Headers.Location!.ToString().Contains("/Denied", StringComparison.Ordinal)))
            {
                open.Add(page);
            }
        }

        Assert.Equal(["/Account/FirstRun", "/Account/SignIn", "/Account/You", "/Denied", "/Guide", "/Index", "/Mine", "/Sessions/Correct", "/Sessions/Trackside", "/Trouble"], open.Distinct().Order(StringComparer.Ordinal));
    }

    [Fact]
    public async Task A_tap_that_somebody_else_changed_meanwhile_is_merged_or_asked_about()
    {
        const string chips = "/Settings/Chips";
        Task<(HttpStatusCode Code, AngleSharp.Dom.IDocument Page, HttpResponseMessage Response)> Save(string phase, string drill, string opened) =>
            coach.PostAsync(chips, chips + "?handler=Save", ("words", "late left arm"), ("phase", phase), ("drills", drill), ("opened", opened));
        async Task<string> OpenAsync() => (await coach.PageAsync(chips + "?words=late+left+arm")).QuerySelector("input[name=opened]")!.GetAttribute("value")!;
        async Task<string> RowAsync() => string.Join(" ", (await coach.PageAsync(chips)).QuerySelectorAll("tbody td").Take(3).Select(t => t.TextContent));
        var empty = await OpenAsync();
        Assert.Equal(HttpStatusCode.Redirect, (await Save("Arms", "dead bug", empty)).Code);

        // Opened by two: one changes where it is seen, the other the drill, and both stand.
        var opened = await OpenAsync();
        await Save("Rise", "dead bug", opened);
        Assert.Equal(HttpStatusCode.Redirect, (await Save("Arms", "seated arm swing", opened)).Code);
        Assert.Equal("late left arm coming up seated arm swing", await RowAsync());

        // Both change the same: the second is told and loses nothing; saving again keeps what stands in the form.
        var asked = (await Save("Drive", "seated arm swing", opened)).Page;
        Assert.Contains("Changed meanwhile by somebody else to “coming up”", asked.QuerySelector("#phase ~ .wrong")!.TextContent);
        Assert.Equal("Drive", asked.QuerySelector("#phase option[selected]")!.GetAttribute("value"));
        Assert.Equal("late left arm coming up seated arm swing", await RowAsync());
        await Save("Drive", "seated arm swing", asked.QuerySelector("input[name=opened]")!.GetAttribute("value")!);
        Assert.Equal("late left arm the first pushes seated arm swing", await RowAsync());

        // Made anew under words that are there: asked about as well.
        Assert.Contains("Changed meanwhile", (await Save("Arms", "dead bug", empty)).Page.Body!.TextContent);
    }
}
