using InchBurst.Core.Make;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Web.Tests;

/// <summary>A day of tests on one page: made from the shelf, its protocol kept, attempts and reruns as they were logged.</summary>
public sealed class TestingDayTests : IAsyncLifetime
{
    private TestHouse house = null!;
    private Visitor coach = null!;

    public async ValueTask InitializeAsync()
    {
        house = await TestHouse.OpenAsync(demo: true);
        coach = await house.CoachAsync();
    }

    public ValueTask DisposeAsync() => house.DisposeAsync();

    [Fact]
    public async Task A_day_made_from_the_shelf_has_its_protocol_and_a_sheet_to_fill_in()
    {
        var ready = ReadySessions.All.Select((r, i) => (r, i)).First(x => x.r.IsTesting).i;
        var form = await coach.PageAsync("/Sessions/New");
        var fields = form.QuerySelectorAll("[name^='Input.']").Select(e => (e.GetAttribute("name")!, (e is AngleSharp.Html.Dom.IHtmlSelectElement s ? s.Value : e.GetAttribute("value")) ?? "")).DistinctBy(f => f.Item1).Where(f => f.Item1 != "Input.Name").Append(("Input.Name", "Autumn tests")).Append(("from", $"ready-{ready}")).ToArray();
        await coach.PostAsync("/Sessions/New", "/Sessions/New", fields);
        var id = await house.InDbAsync(db => db.Sessions.OrderByDescending(s => s.Id).Select(s => s.Id).FirstAsync());

        Assert.Equal("Best|Listed|3", await house.InDbAsync(db => db.Sessions.Where(s => s.Id == id).Select(s => s.Testing).SingleAsync()));
        Assert.NotNull((await coach.PageAsync($"/Sessions/{id}")).QuerySelector($"a.btn[href='/Sessions/{id}/Testing']"));
        var page = await coach.PageAsync($"/Sessions/{id}/Testing");
        Assert.Equal(4, page.QuerySelectorAll("thead tr:first-child th[colspan]").Length);
        Assert.Equal(3 + 3 + 2 + 2 + 4, page.QuerySelectorAll("thead tr:last-child th").Length);
        Assert.Contains("The best attempt counts; one more is taken when the two best differ by more than 3%.", page.QuerySelector(".testing-words")!.TextContent);
        Assert.All(page.QuerySelectorAll(".attempt"), cell => Assert.Equal("", cell.TextContent));
        Assert.NotEmpty(page.QuerySelectorAll("tbody tr"));
    }

    [Fact]
    public async Task What_was_run_is_ranked_and_who_lies_too_far_apart_goes_once_more()
    {
        var id = await house.InDbAsync(db => db.Sessions.Where(s => s.Name == "Thursday test").OrderByDescending(s => s.Day).Select(s => s.Id).FirstAsync());
        var wrong = await coach.PostAsync($"/Sessions/{id}/Testing", $"/Sessions/{id}/Testing", ("Input.Counts", "TwoBest"), ("Input.Order", "SlowestFirst"), ("Input.Rerun", "900"), ("opened", ""));
        Assert.Equal("From 0.5 to 20%.", wrong.Page.QuerySelector(".field-validation-error")!.TextContent);

        await coach.PostAsync($"/Sessions/{id}/Testing", $"/Sessions/{id}/Testing", ("Input.Counts", "TwoBest"), ("Input.Order", "Lot"), ("Input.Rerun", "0.5"), ("opened", ""));
        var page = await coach.PageAsync($"/Sessions/{id}/Testing");

        Assert.Contains("The mean of the two best counts", page.QuerySelector(".testing-words")!.TextContent);
        var again = page.QuerySelectorAll("td.counts .late").Length;
        Assert.Equal(again, page.QuerySelectorAll(".testing-reruns li").Length);
        Assert.InRange(again, 1, 60);
        Assert.All(page.QuerySelectorAll("tbody tr"), row => Assert.Contains(row.QuerySelectorAll(".attempt.is-best"), b => b.TextContent.Length > 0));

        // Who saved the protocol meanwhile is not overwritten.
        var stale = await coach.PostAsync($"/Sessions/{id}/Testing", $"/Sessions/{id}/Testing", ("Input.Counts", "Mean"), ("Input.Order", "Lot"), ("Input.Rerun", "3"), ("opened", "{\"Counts\":0,\"Order\":1,\"Rerun\":0.5}"));
        Assert.Contains("Changed meanwhile", stale.Page.QuerySelector(".field-validation-error")!.TextContent);
    }

    [Fact]
    public async Task A_session_without_a_test_says_so()
    {
        var id = await house.InDbAsync(async db =>
        {
            var session = new Data.Entities.TrainingSession { Name = "Jog", Day = new(2026, 11, 1), SquadId = 1, PlanJson = Core.Plan.PlanJson.Write(Core.Plan.SessionPlan.Empty) };
            db.Sessions.Add(session);
            await db.SaveChangesAsync();
            return session.Id;
        });

        Assert.Contains("nothing to test", (await coach.PageAsync($"/Sessions/{id}/Testing")).QuerySelector(".empty")!.TextContent);
        Assert.Equal(System.Net.HttpStatusCode.NotFound, (await coach.GetAsync("/Sessions/99999/Testing")).Code);
    }
}
