using InchBurst.Core.Live;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Data;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace InchBurst.Web.Tests;

/// <summary>A line that was written as a range proposes its next step from what was done of it; groups beside each other; answers to names.</summary>
public sealed class StepTests : IAsyncLifetime
{
    private TestHouse house = null!;
    private Visitor coach = null!;

    public async ValueTask InitializeAsync()
    {
        house = await TestHouse.OpenAsync(demo: true);
        coach = await house.CoachAsync();
    }

    public async ValueTask DisposeAsync() => await house.DisposeAsync();

    private static DateOnly Today => DateOnly.FromDateTime(DateTime.Now);

    private async Task<TrainingSession> PlanAsync(DateOnly day, params string[] lines)
    {
        await using var scope = house.Services.CreateAsyncScope();
        return await scope.ServiceProvider.GetRequiredService<SessionBook>().CreateAsync(
            new() { Name = "Steps", Day = day, SquadId = 1, WindowMinutes = 60, Lanes = 2 }, Data.Demo.DemoClub.PlanOf(lines), "test");
    }

    private async Task<AngleSharp.Dom.IDocument> PageAsync(TrainingSession session) => await coach.PageAsync($"/Sessions/{session.Id}");

    private Task EndAsync(TrainingSession session, params int[] repsByAthlete) => house.InDbAsync(async db =>
    {
        (await db.Sessions.SingleAsync(s => s.Id == session.Id)).State = SessionState.Ended;
        var line = PlanJson.Read(session.PlanJson).Lines.First().Id;
        var athletes = await db.Athletes.Where(a => a.SquadId == 1).OrderBy(a => a.Id).Select(a => a.Id).ToListAsync();
        foreach (var (reps, i) in repsByAthlete.Select((r, i) => (r, i)))
        {
            db.Runs.AddRange(Enumerable.Range(1, reps + 1).Select(rep => new Run
            {
                ClientId = Guid.NewGuid(),
                SessionId = session.Id,
                AthleteId = athletes[i],
                LineId = line,
                Day = session.Day,
                FinishedAt = session.Day.ToDateTime(new(17, rep)),
                Rep = rep,
                Outcome = rep > reps ? RunOutcome.Skipped : RunOutcome.NotTimed,
                Kind = WorkKind.Acceleration,
            }));
        }

        return await db.SaveChangesAsync();
    });

    [Fact]
    public async Task The_next_session_proposes_a_step_from_what_a_typical_athlete_did_and_one_tap_takes_it()
    {
        var before = await PlanAsync(Today, "2-4 x 10-20 m rest 2:00-3:00");
        await EndAsync(before, 2, 3, 3, 3, 4);
        var next = await PlanAsync(Today.AddDays(1), "2-4 x 10-20 m rest 2:00-3:00", "3 x 30 m");
        var step = Assert.Single((await PageAsync(next)).QuerySelectorAll(".line-step"));
        Assert.Contains("3 × 10 m", step.QuerySelector("span")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("Next step: 4 × 10 m, rest 3:00", step.TextContent, StringComparison.Ordinal);
        await coach.PostAsync($"/Sessions/{next.Id}", step.GetAttribute("action")!, ("text", step.QuerySelector("[name=text]")!.GetAttribute("value")!));
        var page = await PageAsync(next);
        Assert.Empty(page.QuerySelectorAll(".line-step"));
        Assert.Contains("4 × 10 m", page.Body!.TextContent, StringComparison.Ordinal);

        // What was only planned is not done: what the squad did before that counts.
        await house.InDbAsync(async db =>
        {
            (await db.Sessions.SingleAsync(s => s.Id == before.Id)).State = SessionState.Planned;
            return await db.SaveChangesAsync();
        });
        Assert.DoesNotContain("3 × 10 m", string.Concat((await PageAsync(await PlanAsync(Today.AddDays(1), "2-4 x 10-20 m rest 2:00-3:00"))).QuerySelectorAll(".line-step span").Select(s => s.TextContent)), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_session_for_one_person_counts_one_and_lines_for_others_beside_it_take_no_time_of_their_own()
    {
        var name = await house.InDbAsync(db => db.Athletes.Where(a => a.SquadId == 1 && a.RetiredAt == null && a.Availability == Availability.Full).OrderBy(a => a.Id).Select(a => a.Name).FirstAsync());
        var alone = await PageAsync(await PlanAsync(Today.AddDays(1), $"4 x 20 m for {name}"));
        Assert.Contains("1 athlete on 2 lanes", alone.Body!.TextContent, StringComparison.Ordinal);
        var two = await PlanAsync(Today.AddDays(2), $"4 x 20 m rest 2:00 for {name}", "2 x 10 m rest 1:00 for others");
        var page = await PageAsync(two);
        Assert.Single(page.QuerySelectorAll("em.same-time"));
        Assert.DoesNotContain("1 athlete on", page.Body!.TextContent, StringComparison.Ordinal);
        Assert.Contains("nobody does this line", (await PageAsync(await PlanAsync(Today.AddDays(3), "4 x 20 m for Zuleika"))).Body!.TextContent, StringComparison.Ordinal);

        // Trackside the other line is one tap away, with who goes next on it.
        var ids = await house.InDbAsync(db => db.Athletes.Where(a => a.SquadId == 1 && a.RetiredAt == null).Select(a => a.Id).ToListAsync());
        await coach.PostAsync($"/Sessions/{two.Id}/Trackside", $"/Sessions/{two.Id}/Trackside?handler=Start", [.. ids.Select(i => ("here", $"{i}"))]);
        var live = await coach.PageAsync($"/Sessions/{two.Id}/Trackside");
        Assert.Contains("At the same time", live.QuerySelector(".t-beside")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("next ", live.QuerySelector(".t-beside")!.TextContent, StringComparison.Ordinal);
        Assert.Null(live.QuerySelector(".t-next form"));
    }

    [Fact]
    public async Task A_group_of_the_coachs_own_is_somebody_a_line_can_be_for()
    {
        await house.InDbAsync(async db =>
        {
            var group = new OwnGroup { SquadId = 1, Name = "keepers" };
            group.Athletes.AddRange(await db.Athletes.Where(a => a.SquadId == 1 && a.RetiredAt == null && a.Availability == Availability.Full).OrderBy(a => a.Id).Take(2).ToListAsync());
            db.OwnGroups.Add(group);
            return await db.SaveChangesAsync();
        });
        var page = await PageAsync(await PlanAsync(Today.AddDays(1), "4 x 20 m for keepers"));
        Assert.Contains("2 athletes on 2 lanes", page.Body!.TextContent, StringComparison.Ordinal);
        Assert.DoesNotContain("nobody does this line", page.Body.TextContent, StringComparison.Ordinal);
    }
}
