using System.Net;
using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Core.Progress;
using InchBurst.Data;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Web.Tests;

/// <summary>Two days, two runs, two athletes, and an athlete against the squad's middle, through the real file and pages.</summary>
public sealed class CompareTests
{
    private static readonly double[] Metres = [5, 10, 20, 30];

    // Fourteen times a day of the same start: what each athlete took last time with a little to and fro.
    internal static async Task<TestHouse> WithRunsAsync()
    {
        var house = await TestHouse.OpenAsync();
        await house.CoachAsync();
        await house.InDbAsync(async db =>
        {
            string[] names = ["Ada Berg", "Noor Haddad", "Zoë Müller", "Ilse Vos", "Wen Li", "Tomas Rey"];
            db.Athletes.AddRange(names.Select(n => new Athlete { Name = n, SquadId = 1, MassKilograms = 64, HeightMetres = 1.72 }));
            await db.SaveChangesAsync();
            foreach (var day in new[] { new DateOnly(2026, 9, 1), new DateOnly(2026, 10, 13) })
            {
                var session = new TrainingSession { SquadId = 1, Name = "Speed", Day = day, PlanJson = InchBurst.Core.Plan.PlanJson.Write(InchBurst.Core.Plan.SessionPlan.Empty), State = InchBurst.Core.Live.SessionState.Ended };
                db.Sessions.Add(session);
                await db.SaveChangesAsync();
                for (var athlete = 1; athlete <= names.Length; athlete++)
                {
                    for (var rep = 1; rep <= 3; rep++)
                    {
                        var run = new Run { ClientId = Guid.NewGuid(), SessionId = session.Id, AthleteId = athlete, LineId = 1, Rep = rep, Day = day, FinishedAt = day.ToDateTime(new(17, rep, athlete)), Outcome = RunOutcome.Timed, StartSaid = true, Course = Trial.Straight };
                        var gained = athlete == 1 && day.Month == 10 ? 0.08 : 0;
                        run.Marks.AddRange(Metres.Select(m => new Mark { Millimetres = (int)(m * 1000), Amount = m, Seconds = Math.Round(new InchBurst.Core.Sprint.SprintCurve(8.6, 1.15).TimeTo(m) + (athlete * 0.03) + (0.01 * ((rep * 7 + athlete * 3 + day.Month) % 3)) - (m >= 20 ? gained : 0), 2) }));
                        InchBurst.Data.RunMapping.Settle(run);
                        db.Runs.Add(run);
                    }
                }

                await db.SaveChangesAsync();
            }

            return 0;
        });
        return house;
    }

    [Fact]
    public async Task A_day_is_laid_over_the_day_before_and_what_it_says_is_what_the_times_say()
    {
        await using var house = await WithRunsAsync();
        var coach = house.Visitor();
        await coach.PostAsync("/SignIn", "/SignIn", ("Input.Name", "Odalys Brandvold"), ("Input.Password", "long enough"));
        var page = await coach.PageAsync("/Athletes/1/Compare");
        Assert.Equal(["2026-10-13", "2026-09-01"], page.QuerySelectorAll(".compare-pick option[selected]").Select(o => o.GetAttribute("value")));
        var verdict = page.QuerySelector(".verdict")!.TextContent;
        Assert.Contains("faster at 30 m", string.Join(' ', verdict.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries)));
        Assert.Matches("(very likely|almost certainly) real", string.Join(' ', verdict.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries)));
        Assert.Contains("gained most from 10 to 20 m", verdict);

        // The table adds up: what is gained stretch by stretch is the figure at the last gate.
        var gained = page.QuerySelectorAll(".compare-table .gained td").Select(d => double.Parse(d.TextContent.Replace(" s", "", StringComparison.Ordinal).Replace('−', '-'), System.Globalization.CultureInfo.InvariantCulture)).Sum();
        Assert.Contains(gained.ToString("0.00", System.Globalization.CultureInfo.InvariantCulture) + " s", verdict);
        Assert.Equal(4, page.QuerySelectorAll(".gains rect").Length / 2);

        // The last metres stand once more, taller, where there is room.
        Assert.Matches(@"same metres, height ×\d+\.\d", page.QuerySelector(".only-wide .compare-svg")!.TextContent);
        Assert.DoesNotContain("same metres", page.QuerySelector(".only-narrow .compare-svg")!.TextContent);

        // The address can be kept, and swapped it says the opposite.
        var swapped = await coach.PageAsync(page.QuerySelector(".compare-head .push a")!.GetAttribute("href")!);
        Assert.Contains("slower", swapped.QuerySelector(".verdict")!.TextContent);

        var nobody = await coach.PageAsync("/Athletes/2/Compare");
        Assert.DoesNotContain("very likely", nobody.QuerySelector(".verdict")!.TextContent);
    }

    [Theory]
    [InlineData("athletes", "Ilse")]
    [InlineData("athletes&then=2", "Noor")]
    [InlineData("squad", "squad")]
    [InlineData("runs", "then")]
    public async Task Others_are_laid_under_an_athlete(string what, string name)
    {
        await using var house = await WithRunsAsync();
        var coach = house.Visitor();
        await coach.PostAsync("/SignIn", "/SignIn", ("Input.Name", "Odalys Brandvold"), ("Input.Password", "long enough"));
        var page = await coach.PageAsync("/Athletes/1/Compare?what=" + what);
        Assert.Equal(name, page.QuerySelector(".compare-table .then th")!.TextContent);
        Assert.Equal(4, page.QuerySelectorAll(".compare-table .gained td").Length);
        Assert.NotNull(page.QuerySelector(".chances"));
    }

    [Fact]
    public async Task What_cannot_be_compared_is_said()
    {
        await using var house = await WithRunsAsync();
        var coach = house.Visitor();
        await coach.PostAsync("/SignIn", "/SignIn", ("Input.Name", "Odalys Brandvold"), ("Input.Password", "long enough"));
        await house.InDbAsync(async db =>
        {
            db.Athletes.Add(new Athlete { Name = "New One", SquadId = 1 });

            // By hand on one day: never mixed with gates without saying so.
            await db.Runs.Where(r => r.AthleteId == 3 && r.Day == new DateOnly(2026, 9, 1)).ExecuteUpdateAsync(u => u.SetProperty(r => r.Method, TimingMethod.Hand));
            foreach (var run in await db.Runs.Include(r => r.Marks).Include(r => r.Stretches).Where(r => r.AthleteId == 3).ToListAsync())
            {
                InchBurst.Data.RunMapping.Settle(run);
            }

            return await db.SaveChangesAsync();
        });
        Assert.Contains("two days", (await coach.PageAsync("/Athletes/7/Compare")).QuerySelector(".empty")!.TextContent);
        Assert.Contains("has not run this start", (await coach.PageAsync("/Athletes/1/Compare?what=athletes&then=7")).QuerySelector(".empty")!.TextContent);
        var page = await coach.PageAsync("/Athletes/3/Compare?now=2026-10-13&then=2026-09-01");
        Assert.Contains("No verdict", page.QuerySelector(".verdict")!.TextContent);
        Assert.Contains("gates, then by hand", page.QuerySelector(".alike")!.TextContent);
        Assert.Equal(HttpStatusCode.NotFound, (await coach.GetAsync("/Athletes/99/Compare")).Code);
        foreach (var odd in new[] { "?what=nonsense&now=x&then=y", "?what=runs&now=99999999999999999999&then=-1", "?what=athletes&then=99" })
        {
            Assert.Equal(HttpStatusCode.OK, (await coach.GetAsync("/Athletes/1/Compare" + odd)).Code);
        }
    }

    [Fact]
    public async Task The_squad_stands_side_by_side_each_against_their_own_range()
    {
        await using var house = await TestHouse.OpenAsync(demo: true);
        var coach = await house.CoachAsync();
        var page = await coach.PageAsync("/Athletes/Squad");
        var rows = page.QuerySelectorAll(".squad-table tbody tr");
        Assert.Equal(14, rows.Length);
        var last = rows.Select(r => double.Parse(r.QuerySelector(".last")!.TextContent, System.Globalization.CultureInfo.InvariantCulture)).ToList();
        Assert.Equal(last.Order(), last);
        Assert.Equal("20 m", page.QuerySelector(".squad-bar a[aria-current]")!.TextContent);

        // A figure with a sign lies outside what the athlete's sessions before lay between, as the file has them.
        var signed = rows.SelectMany(r => r.QuerySelectorAll("td.ok")).Count();
        Assert.True(signed > 0);
        Assert.All(rows.SelectMany(r => r.QuerySelectorAll("td.ok")), c => Assert.StartsWith("▲", c.TextContent));
        var dots = rows[0].QuerySelectorAll(".strip circle").Length - 1;
        var name = rows[0].QuerySelector("a")!.TextContent;
        var from = DateOnly.FromDateTime(DateTime.Today).AddDays(-7 * 17);
        Assert.Equal(dots, await house.InDbAsync(async db =>
        {
            var athlete = await db.Athletes.Where(a => a.Name == name).Select(a => a.Id).SingleAsync();
            var keys = await db.RunStretches.Where(s => s.FromMillimetres == 0 && s.ToMillimetres == 20000 && s.AthleteId == athlete && s.Day >= from && s.Effort >= 95 && s.Key.StartsWith(Trial.Straight + "||")).GroupBy(s => s.Key).Select(g => g.Count()).ToListAsync();
            return keys.Max();
        }));

        var low = await coach.PageAsync("/Athletes/Squad?on=0-30000&group=low&sort=name");
        var names = low.QuerySelectorAll(".squad-table tbody tr th a").Select(a => a.TextContent).ToList();
        Assert.InRange(names.Count, 1, 13);
        Assert.Equal(names.Order(StringComparer.CurrentCulture), names);
        Assert.Equal("30 m", low.QuerySelector(".squad-bar a[aria-current]")!.TextContent);
        Assert.Equal(HttpStatusCode.OK, (await coach.GetAsync("/Athletes/Squad?trial=odd&on=9-9&group=q&sort=q")).Code);

        await using var empty = await TestHouse.OpenAsync();
        Assert.Contains("No times yet", (await (await empty.CoachAsync()).PageAsync("/Athletes/Squad")).Body!.TextContent);
    }

    [Fact]
    public async Task What_if_answers_with_times_and_says_what_it_cannot_take()
    {
        await using var house = await TestHouse.OpenAsync(demo: true);
        var coach = await house.CoachAsync();
        double Cell(AngleSharp.Dom.IDocument page, int row, int column) => double.Parse(page.QuerySelectorAll(".whatif-table tbody tr")[row].QuerySelectorAll("td")[column].TextContent.Split(' ')[0], System.Globalization.CultureInfo.InvariantCulture);
        var still = await coach.PageAsync("/Athletes/8/WhatIf");
        Assert.Equal(["5 m", "10 m", "20 m", "30 m", "40 yd", "40 m", "60 yd", "60 m"], still.QuerySelectorAll(".whatif-table tbody th").Select(t => t.TextContent));
        Assert.All(Enumerable.Range(0, 8), i => Assert.Equal(Cell(still, i, 0), Cell(still, i, 1)));
        var windy = await coach.PageAsync("/Athletes/8/WhatIf?wind=-2,5&sled=");
        Assert.All(Enumerable.Range(2, 6), i => Assert.True(Cell(windy, i, 1) > Cell(windy, i, 0)));
        Assert.Equal("-2,5", windy.QuerySelector("#w-wind")!.GetAttribute("value"));
        var wrong = await coach.PageAsync("/Athletes/8/WhatIf?wind=storm&grade=99&push=3");
        Assert.Equal(2, wrong.QuerySelectorAll(".whatif .wrong").Length);
        Assert.Equal("storm", wrong.QuerySelector("#w-wind")!.GetAttribute("value"));
        Assert.True(Cell(wrong, 3, 1) < Cell(wrong, 3, 0));
        await house.InDbAsync(db => db.Athletes.Where(a => a.Id == 8).ExecuteUpdateAsync(u => u.SetProperty(a => a.MassKilograms, (double?)null)));
        Assert.Contains("are needed", (await coach.PageAsync("/Athletes/8/WhatIf")).QuerySelector(".empty")!.TextContent);
        await house.InDbAsync(async db =>
        {
            db.Athletes.Add(new Athlete { Name = "New One", SquadId = 1 });
            return await db.SaveChangesAsync();
        });
        Assert.Contains("No curve yet", (await coach.PageAsync($"/Athletes/{await house.InDbAsync(db => db.Athletes.MaxAsync(a => a.Id))}/WhatIf")).QuerySelector(".empty")!.TextContent);
    }

    [Fact]
    public async Task Forces_stand_beside_the_squads_and_suggest_within_the_school()
    {
        await using var house = await WithRunsAsync();
        var coach = house.Visitor();
        await coach.PostAsync("/SignIn", "/SignIn", ("Input.Name", "Odalys Brandvold"), ("Input.Password", "long enough"));
        var page = await coach.PageAsync("/Athletes/1/Forces");
        Assert.Equal(["F0", "V0", "Pmax", "RFmax", "DRF"], page.QuerySelectorAll(".force-table th b").Select(b => b.TextContent));
        Assert.All(page.QuerySelectorAll(".force-place"), p => Assert.EndsWith("of 6", p.TextContent));

        // Ada is the quickest of them by far on the last day; everybody's dot is there, and hers larger.
        Assert.Equal(7, page.QuerySelector(".force-strip svg")!.QuerySelectorAll("circle").Length);
        Assert.NotEmpty(page.QuerySelectorAll(".hints li"));
        Assert.Contains("Full rest, light loads", page.QuerySelector("main")!.TextContent);
        Assert.Contains("hort of", page.QuerySelector(".compare-side .verdict")!.TextContent);

        // Held, the first word is the clinician's; without a body there is nothing to reckon from.
        await house.InDbAsync(async db =>
        {
            var athletes = db.Athletes.OrderBy(a => a.Id).ToList();
            athletes[0].Availability = Core.Plan.Availability.Modified;
            (athletes[1].HeightMetres, athletes[2].HeightMetres, athletes[3].HeightMetres) = (null, null, null);
            return await db.SaveChangesAsync();
        });
        var held = await coach.PageAsync("/Athletes/1/Forces");
        Assert.All(held.QuerySelectorAll(".hints .mind"), m => Assert.StartsWith("Not in full training", m.TextContent));
        Assert.Contains("4 are needed", held.QuerySelector(".compare-side")!.TextContent);
        Assert.Contains("Height and body mass are needed", (await coach.PageAsync("/Athletes/2/Forces")).QuerySelector("main")!.TextContent);
        Assert.Equal(HttpStatusCode.NotFound, (await coach.GetAsync("/Athletes/99/Forces")).Code);
    }

    [Fact]
    public async Task The_runs_of_a_day_are_laid_together_as_their_mean()
    {
        await using var house = await WithRunsAsync();
        var coach = house.Visitor();
        await coach.PostAsync("/SignIn", "/SignIn", ("Input.Name", "Odalys Brandvold"), ("Input.Password", "long enough"));
        var one = await coach.PageAsync("/Athletes/2");
        var link = one.QuerySelectorAll("[aria-label=\"Which runs\"] a").Single(a => a.TextContent == "the day’s 3").GetAttribute("href")!;
        var all = await coach.PageAsync(link);
        Assert.Contains("mean of 3 runs", all.QuerySelector(".section-head .muted")!.TextContent);

        var mean = await house.InDbAsync(db => db.Marks.Where(m => m.Millimetres == 5000 && db.Runs.Any(r => r.Id == m.RunId && r.AthleteId == 2 && r.Day == new DateOnly(2026, 10, 13))).AverageAsync(m => m.Seconds));
        Assert.Equal(InchBurst.Core.Units.Figures.Split(mean), all.QuerySelector(".splits .big td")!.TextContent.Split(' ')[0]);

        // A single run of a day has nothing to be laid together with.
        await house.InDbAsync(async db =>
        {
            db.Runs.RemoveRange(db.Runs.Where(r => r.AthleteId == 2 && r.Rep > 1));
            return await db.SaveChangesAsync();
        });
        Assert.Null((await coach.PageAsync("/Athletes/2?together=true")).QuerySelector("[aria-label=\"Which runs\"]"));
    }
}
