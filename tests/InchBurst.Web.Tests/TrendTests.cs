using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Progress;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Data.Entities;
using Microsoft.Extensions.DependencyInjection;

namespace InchBurst.Web.Tests;

/// <summary>Trends of what is timed and measured, through the real file and pages.</summary>
public sealed class TrendTests
{
    private static readonly DateOnly First = new(2026, 9, 1);

    private static string Flat(AngleSharp.Dom.IElement? of) => string.Join(' ', of!.TextContent.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries));

    // A session a week with jumps, hops of both sides, throws of two balls, a turn to both sides, and short rests.
    private static async Task<TestHouse> WithWeeksAsync(int weeks = 8)
    {
        var house = await TestHouse.OpenAsync();
        await house.CoachAsync();
        await house.InDbAsync(async db =>
        {
            db.Athletes.AddRange(new Athlete { Name = "Ada Berg", SquadId = 1 }, new Athlete { Name = "Noor Haddad", SquadId = 1 });
            await db.SaveChangesAsync();
            var plan = PlanText.Read("""
                countermovement jump 3 x 1 reps log air time
                single-leg hop for distance 2 x 1 reps each side log length
                overhead med-ball throw 2 x 1 reps vest 5 kg log distance
                overhead med-ball throw 2 x 1 reps 4 kg log distance
                five-ten-five 2 x 5 + turn 180 right + 10 + turn 180 left + 5 m each side rest 2:00
                5 x 25 m gates 25 m rest 0:20
                """, ShorthandContext.Metric).Plan;
            var lines = plan.Lines.ToList();
            for (var week = 0; week < weeks; week++)
            {
                var day = First.AddDays(7 * week);
                var session = new TrainingSession { SquadId = 1, Name = "Power", Day = day, PlanJson = PlanJson.Write(plan), State = InchBurst.Core.Live.SessionState.Ended };
                db.Sessions.Add(session);
                await db.SaveChangesAsync();
                for (var athlete = 1; athlete <= 2; athlete++)
                {
                    var at = day.ToDateTime(new(17, 0, athlete));
                    Run Add(int line, int rep, Side? side, MeasureKind kind, double value)
                    {
                        at = at.AddMinutes(1);
                        var demand = LineDemand.Of(lines[line], Core.Catalogue.ExerciseCatalogue.BuiltIn);
                        var run = new Run { ClientId = Guid.NewGuid(), SessionId = session.Id, AthleteId = athlete, LineId = lines[line].Id, Rep = rep, Side = side, Day = day, FinishedAt = at, Outcome = kind == MeasureKind.Time ? RunOutcome.Timed : RunOutcome.Measured, StartSaid = true };
                        run.SetDemand(demand);
                        if (kind == MeasureKind.Time)
                        {
                            run.Marks.Add(new Mark { Millimetres = LineMarks.Expected(demand)[^1].Millimetres, Amount = LineMarks.Expected(demand)[^1].Metres, Seconds = Math.Round(value, 2) });
                        }
                        else
                        {
                            run.Measures.Add(new() { Kind = kind, Value = Math.Round(value, 3) });
                        }

                        run.Settle();
                        db.Runs.Add(run);
                        return run;
                    }

                    for (var rep = 1; rep <= 3; rep++)
                    {
                        Add(0, rep, null, MeasureKind.AirTime, 0.5 + (0.004 * week) + (0.003 * ((rep + week) % 3)) + (0.01 * athlete));
                    }

                    for (var rep = 1; rep <= 4; rep++)
                    {
                        Add(1, rep, rep % 2 == 1 ? Side.Left : Side.Right, MeasureKind.JumpLength, 1.7 + (rep % 2 == 1 ? 0.1 : 0) + (0.01 * ((rep + week) % 3)));
                        Add(4, rep, rep % 2 == 1 ? Side.Left : Side.Right, MeasureKind.Time, 4.9 - (rep % 2 == 1 ? 0.2 : 0) + (0.02 * ((rep + week) % 3)));
                    }

                    Add(2, 1, null, MeasureKind.ThrowDistance, 6 + (0.01 * week));
                    Add(3, 1, null, MeasureKind.ThrowDistance, 8 + (0.01 * week));

                    // Each loses as much as a constant of 40 s says.
                    var p = 1.0;
                    for (var rep = 1; rep <= 5; rep++)
                    {
                        var seconds = Math.Round(4 / (1 - (0.43 * (1 - p) * (1 - p))), 2);
                        p = 1 - ((1 - (p * Math.Exp(-seconds / 9.4))) * Math.Exp(-20 / 40.0));
                        Add(5, rep, null, MeasureKind.Time, seconds).FinishedAt = day.ToDateTime(new(18, 0, athlete)).AddSeconds((rep * 20) + (4 * rep));
                    }
                }

                await db.SaveChangesAsync();
            }

            return 0;
        });
        return house;
    }

    private static async Task<Visitor> CoachOfAsync(TestHouse house)
    {
        var coach = house.Visitor();
        await coach.PostAsync("/SignIn", "/SignIn", ("Input.Name", "Odalys Brandvold"), ("Input.Password", "long enough"));
        return coach;
    }

    [Fact]
    public async Task Jumps_turns_and_throws_have_bests_a_trend_an_error_and_two_sides()
    {
        await using var house = await WithWeeksAsync();
        var coach = await CoachOfAsync(house);
        var start = await coach.PageAsync("/Athletes/1/Trend");
        var choices = start.QuerySelectorAll("#t-of option").Select(o => (Words: o.TextContent, Code: o.GetAttribute("value")!)).ToList();

        // Two balls are two things; a height from the air is told as such beside the time.
        Assert.Equal(
            ["Countermovement jump, air time", "Countermovement jump, height from air time", "Overhead back throw, vest 5 kg, distance", "Overhead back throw, with 4 kg, distance", "Single-leg hop for distance, length"],
            choices.Select(c => c.Words).Where(w => w.Contains("jump", StringComparison.Ordinal) || w.Contains("throw", StringComparison.Ordinal) || w.Contains("hop", StringComparison.Ordinal)).Order());

        async Task<AngleSharp.Dom.IDocument> Of(string words, string more = "") => await coach.PageAsync($"/Athletes/1/Trend?of={Uri.EscapeDataString(choices.First(c => c.Words.StartsWith(words, StringComparison.Ordinal)).Code)}{more}");

        // 9.81 * 0.544^2 / 8 = 36.3 cm is the best of the last week; the first was 9.81 * 0.516^2 / 8 = 32.7.
        var height = await Of("Countermovement jump, height");
        Assert.Contains("36.3 cm", Flat(height.QuerySelector(".trend-facts")));
        Assert.Equal("36.3", Flat(height.QuerySelector(".trend-days td.figure")));
        Assert.Matches("higher than in the first 4 days: (very likely|almost certainly) real", Flat(height.QuerySelector(".verdict")));
        Assert.Contains("repeats of the squad", Flat(height.QuerySelector(".trend-facts")));

        // Left goes 6% farther, and is told apart; each side has its own line.
        var hop = await Of("Single-leg hop");
        Assert.Equal(["Left: a real change?", "Right: a real change?", "What stands behind it"], hop.QuerySelectorAll(".compare-side h2").Select(Flat));
        Assert.Matches(@"left [45]\.\d% better", Flat(hop.QuerySelector(".trend-facts")));
        Assert.Equal(2, hop.QuerySelector(".only-wide .trend-svg")!.QuerySelectorAll("polygon").Length);

        // Turns are times: the faster side is the better one, and the address of either side finds the other.
        foreach (var side in new[] { "left", "right" })
        {
            var turn = await Of($"5-10-5, {side}");
            Assert.Matches(@"left [34]\.\d% better", Flat(turn.QuerySelector(".trend-facts")));
        }

        // Nothing of it, nonsense, and the longer view.
        Assert.Contains("not among what this athlete has done", (await coach.PageAsync("/Athletes/1/Trend?of=m:Load:::flying")).QuerySelector("main")!.TextContent);
        Assert.Equal("true", (await Of("Countermovement jump, height", "&long=true")).QuerySelectorAll(".trend-bar .seg a")[1].GetAttribute("aria-current"));
        Assert.Equal(System.Net.HttpStatusCode.NotFound, (await coach.GetAsync("/Athletes/99/Trend")).Code);
    }

    [Fact]
    public async Task The_squad_stands_side_by_side_on_what_is_measured()
    {
        await using var house = await WithWeeksAsync();
        var coach = await CoachOfAsync(house);
        var squad = await coach.PageAsync("/Athletes/Squad");
        Assert.Equal("what is measured", squad.QuerySelectorAll("[name=trial] option").Last().TextContent);
        var measured = await coach.PageAsync("/Athletes/Squad?trial=measured");
        var jump = measured.QuerySelectorAll("[aria-label=On] a").Single(a => a.TextContent == "countermovement jump, from air").GetAttribute("href")!;
        var page = await coach.PageAsync(jump);

        // Noor stays ten milliseconds longer in the air: 9.81 * 0.554^2 / 8 = 37.6 cm against 36.3.
        Assert.Equal(["Noor Haddad 37.6", "Ada Berg 36.3"], page.QuerySelectorAll(".squad-table tbody tr").Select(r => $"{r.QuerySelector("th a")!.TextContent} {r.QuerySelector(".last")!.TextContent}"));
        Assert.Equal("2 of 2", Flat(page.QuerySelectorAll(".pair")[1])[^6..]);
        Assert.Contains("height from air time", Flat((await coach.PageAsync(page.QuerySelector(".squad-table th a")!.GetAttribute("href")!)).QuerySelector(".compare-plots h2")));

        // Nothing known of that name is the first of what is measured.
        Assert.Equal(5, (await coach.PageAsync("/Athletes/Squad?trial=measured&on=nonsense")).QuerySelectorAll("[aria-label=On] a").Length);
    }

    [Fact]
    public async Task The_season_links_to_the_trend_and_tells_how_soon_an_athlete_recovers()
    {
        await using var house = await WithWeeksAsync();
        var coach = await CoachOfAsync(house);
        var season = await coach.PageAsync("/Athletes/1/Season");
        var link = season.QuerySelectorAll(".season-name a").Single(a => a.TextContent.Contains("vest", StringComparison.Ordinal)).GetAttribute("href")!;
        Assert.Contains("vest 5 kg", Flat((await coach.PageAsync(link)).QuerySelector(".compare-plots h2")));

        // The sets were made with 40 s; times to a hundredth and sprints that count as they took leave it within a few seconds.
        var told = System.Text.RegularExpressions.Regex.Match(Flat(season.QuerySelector(".recovery")), @"^(\d+) s time constant of recovery \((\d+) to (\d+) s, 90%\), from 40 reps in 8 sets");
        Assert.True(told.Success, Flat(season.QuerySelector(".recovery")));
        Assert.InRange(int.Parse(told.Groups[1].Value, System.Globalization.CultureInfo.InvariantCulture), 37, 43);

        // Times of a sheet, a watch, a sled or an easy run say nothing of it.
        await house.InDbAsync(async db =>
        {
            foreach (var (run, i) in db.Runs.Where(r => r.Outcome == RunOutcome.Timed && r.AthleteId == 1).OrderBy(r => r.Id).ToList().Select((r, i) => (r, i)))
            {
                (run.Method, run.Load, run.Effort) = (i % 4) switch { 0 => (TimingMethod.Hand, "", 100), 1 => (TimingMethod.Electronic, "sled10kg", 100), 2 => (TimingMethod.Electronic, "", 90), _ => (run.Method, run.Load, run.Effort) };
            }

            return await db.SaveChangesAsync();
        });
        Assert.Contains("It takes 3 sets", (await coach.PageAsync("/Athletes/1/Season")).QuerySelector("main")!.TextContent);
        await house.InDbAsync(async db =>
        {
            foreach (var run in db.Runs.Where(r => r.Outcome == RunOutcome.Timed && r.AthleteId == 2).ToList())
            {
                run.FinishedAt = run.Day.ToDateTime(new(12, 0));
            }

            return await db.SaveChangesAsync();
        });
        Assert.Contains("so far there are 0", (await coach.PageAsync("/Athletes/2/Season")).QuerySelector("main")!.TextContent);
    }

    [Fact]
    public async Task A_trend_is_freed_of_the_air_where_that_is_asked_for()
    {
        await using var house = await CompareTests.WithRunsAsync();
        await house.InDbAsync(async db =>
        {
            foreach (var run in db.Runs.ToList())
            {
                run.Wind = run.Day.Month == 10 ? 2.5 : -2.5;
                await db.Entry(run).Collection(r => r.Marks).LoadAsync();
                await db.Entry(run).Collection(r => r.Stretches).LoadAsync();
                run.Settle();
            }

            return await db.SaveChangesAsync();
        });
        var coach = await CoachOfAsync(house);
        var code = (await coach.PageAsync("/Athletes/1/Trend")).QuerySelectorAll("#t-of option").Single(o => o.TextContent == "30 m").GetAttribute("value")!;
        string Best(AngleSharp.Dom.IDocument page) => Flat(page.QuerySelector(".trend-days td.figure"));
        var timed = await coach.PageAsync($"/Athletes/1/Trend?of={Uri.EscapeDataString(code)}");
        var still = await coach.PageAsync(timed.QuerySelectorAll(".trend-bar [role=group] a").Single(a => a.TextContent == "in still air").GetAttribute("href")!);

        // A wind from behind helped on the last day, so still air is slower.
        Assert.True(string.CompareOrdinal(Best(still), Best(timed)) > 0, $"{Best(still)} against {Best(timed)}");
        Assert.Equal("as timed", still.QuerySelectorAll(".trend-bar [role=group] a").Single(a => a.GetAttribute("aria-current") is null).TextContent);
    }
}
