using System.Net;
using InchBurst.Core.Progress;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Drawing;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace InchBurst.Web.Tests;

/// <summary>An athlete's season besides times, on the demo club's file.</summary>
public sealed class SeasonTests : IAsyncLifetime
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
    public async Task What_was_measured_stands_there_a_day_at_a_time_with_its_best_and_its_change()
    {
        var page = await coach.PageAsync("/Athletes/1/Season");
        var rows = page.QuerySelectorAll(".season-row:not(.short)").ToDictionary(r => r.QuerySelector(".season-name b")!.TextContent);
        Assert.Equal(["800 m", "Countermovement jump", "Overhead back throw", "Single-leg hop for distance", "Squat"], rows.Keys.Order());
        var (jumps, days) = await house.InDbAsync(async db =>
        {
            var all = await db.Runs.Where(r => r.AthleteId == 1 && r.Measures.Any(m => m.Kind == InchBurst.Core.Units.MeasureKind.JumpHeight)).Select(r => new { r.Day, Value = r.Measures.Max(m => m.Value) }).ToListAsync();
            return (all.Max(r => r.Value), all.Select(r => r.Day).Distinct().Count());
        });
        Assert.Equal(days, rows["Countermovement jump"].QuerySelectorAll("circle").Length);
        Assert.Contains($"best {(jumps * 100).ToString("0.0", System.Globalization.CultureInfo.InvariantCulture)} cm", rows["Countermovement jump"].TextContent);

        // A lift stands for the most that could be lifted once: more than what was on the bar.
        await using var scope = house.Services.CreateAsyncScope();
        var squat = (await scope.ServiceProvider.GetRequiredService<SeasonOfOne>().MeasuredAsync(1, new DateOnly(2000, 1, 1))).Single(m => m.Name == "squat");
        Assert.All(squat.Days, d => Assert.True(d.Value > d.Lifted));
        Assert.Equal(squat.Days.Count, rows["Squat"].QuerySelectorAll("path[stroke-width='2.5']").Length);

        // From a later day on there are fewer days, and the best ever stays.
        var late = (await scope.ServiceProvider.GetRequiredService<SeasonOfOne>().MeasuredAsync(1, squat.Days[^2].Day)).Single(m => m.Name == "squat");
        Assert.Equal((2, squat.Best), (late.Days.Count, late.Best));
        Assert.Equal(HttpStatusCode.NotFound, (await coach.GetAsync("/Athletes/999/Season")).Code);
    }

    [Fact]
    public async Task Bests_show_how_they_came_about_and_what_was_measured_stands_ready_for_the_next_session()
    {
        await using var scope = house.Services.CreateAsyncScope();
        var season = scope.ServiceProvider.GetRequiredService<SeasonOfOne>();
        var all = await house.InDbAsync(db => db.RunStretches.Where(s => s.AthleteId == 1).ToListAsync());
        var from = all.Select(s => s.Day).Order().ElementAt(all.Count / 2);
        var trends = await season.TrendsAsync(1, from);
        var expected = all.Where(s => s.Day >= from).GroupBy(s => (s.Key, From: s.FromMillimetres, To: s.ToMillimetres)).ToList();
        Assert.Equal(expected.Count, trends.Count);
        Assert.All(expected, e => Assert.Equal(e.GroupBy(s => s.Day).OrderBy(d => d.Key).Select(d => (d.Key, d.Min(s => s.Seconds))), trends[e.Key]));

        // Every best with two days and more has its line, the best a dot of its own.
        var page = await coach.PageAsync("/Athletes/1/Season");
        var lines = page.QuerySelectorAll(".bests polyline");
        Assert.NotEmpty(lines);
        Assert.All(lines, l => Assert.Equal(2, l.ParentElement!.QuerySelectorAll("circle").Length));
        Assert.Empty((await coach.PageAsync("/Athletes/1")).QuerySelectorAll(".bests polyline"));

        // What is known of the squad before a session: its own figures left out, and only what its lines ask for.
        InchBurst.Core.Plan.PlanLine Line(string text) => InchBurst.Core.Shorthand.ShorthandLine.Read(text).Line!;
        Task<IReadOnlyDictionary<int, List<InchBurst.Core.Live.KnownMeasure>>> Known(int but, params string[] texts) => season.BestsAsync([1, 2], but, [.. texts.Select(Line)]);
        var jumps = await house.InDbAsync(db => db.Runs.Where(r => (r.AthleteId == 1 || r.AthleteId == 2) && r.Measures.Any(m => m.Kind == InchBurst.Core.Units.MeasureKind.JumpHeight)).Select(r => new { r.AthleteId, r.SessionId, Value = r.Measures.Max(m => m.Value) }).ToListAsync());
        var known = await Known(0, "countermovement jump 3 log height", "squat 3 x 3 log load, reps", "800 m @60% log heart rate");
        Assert.Equal([1, 2], known.Keys.Order());
        Assert.All(known, k => Assert.Equal(jumps.Where(j => j.AthleteId == k.Key).Max(j => j.Value), k.Value.Single(m => m.Kind == InchBurst.Core.Units.MeasureKind.JumpHeight).Value));
        Assert.Equal((await season.MeasuredAsync(1, new DateOnly(2000, 1, 1))).Single(m => m.Name == "squat").Best, known[1].Single(m => m.Exercise == "squat" && m.Kind == InchBurst.Core.Units.MeasureKind.Load).Value);
        Assert.DoesNotContain(known[1], m => m.Kind == InchBurst.Core.Units.MeasureKind.HeartRate);
        var best = jumps.Where(j => j.AthleteId == 1).MaxBy(j => j.Value)!;
        Assert.Equal(jumps.Where(j => j.AthleteId == 1 && j.SessionId != best.SessionId).Max(j => j.Value), (await Known(best.SessionId, "countermovement jump 3 log height"))[1].Single(m => m.Kind == InchBurst.Core.Units.MeasureKind.JumpHeight).Value);
        Assert.DoesNotContain((await Known(0, "countermovement jump 3 log height"))[1], m => m.Exercise == "squat");
        Assert.Empty(await Known(0, "20 m", "800 m @60% log heart rate"));
    }

    [Fact]
    public async Task What_was_seen_is_counted_of_the_runs_watched_with_the_days_of_drills_that_answer_it()
    {
        await using var scope = house.Services.CreateAsyncScope();
        var seen = await scope.ServiceProvider.GetRequiredService<SeasonOfOne>().SeenAsync(1, new DateOnly(2000, 1, 1));
        var times = await house.InDbAsync(async db => (await db.Runs.Where(r => r.AthleteId == 1).SelectMany(r => r.Seen).ToListAsync()).GroupBy(s => s.Code).ToDictionary(g => g.Key, g => g.Count()));
        Assert.NotEmpty(seen);
        Assert.All(seen, s =>
        {
            Assert.Equal(times[s.What.Code], s.Times);
            Assert.All(s.Days, d => Assert.InRange(d.Seen, 0, d.Watched));
        });

        // A-skips were in every session with times, so what they answer has its drills from the first day on.
        var sat = seen.Single(s => s.What.Code == "sat");
        Assert.Equal(sat.Drills[0], sat.Rate.Since);
        Assert.True(sat.Drills.Count > 10);
        Assert.DoesNotContain(seen, s => s.What.IsGood);

        // Nobody is looked at who was not there: an athlete without runs has an empty page that says how it fills.
        await coach.PostAsync("/Athletes", "/Athletes?handler=AddMany", ("squad", "1"), ("names", "Nobody Yet"));
        var id = await house.InDbAsync(db => db.Athletes.Where(a => a.Name == "Nobody Yet").Select(a => a.Id).SingleAsync());
        var page = (await coach.PageAsync($"/Athletes/{id}/Season")).Body!.TextContent;
        Assert.Contains("Nothing measured", page);
        Assert.Contains("Nothing noted", page);
    }

    [Fact]
    public void A_row_lies_within_its_height_with_the_best_named()
    {
        static DateOnly Day(int d) => new(2026, 9, d);
        (DateOnly, double, double?)[] days = [(Day(1), 30, null), (Day(8), 36, null), (Day(15), 33, null)];
        var up = SeasonRow.Draw(days, d => d.Day * 10, null);
        Assert.Equal((80.0, 36.0), (up.Best!.Value.X, up.Best.Value.Value));
        Assert.Equal((150.0, 33.0), (SeasonRow.Draw(days, d => d.Day * 10, null).Dots[2].X, days[2].Item2));
        Assert.True(up.Dots[1].Y < up.Dots[2].Y && up.Dots[2].Y < up.Dots[0].Y);
        Assert.All(up.Dots, d => Assert.InRange(d.Y, 0, SeasonRow.Height));
        Assert.Equal(30, SeasonRow.Draw(days, d => d.Day, null, isLeastBest: true).Best!.Value.Value);
        Assert.Null(SeasonRow.Draw(days[..1], d => d.Day, null).Best);

        // The band is as high as a change has to be to count.
        var change = new SeasonChange(2, 1, true, 2);
        var banded = SeasonRow.Draw(days, d => d.Day, change);
        Assert.True(banded.BandHeight > up.BandHeight);
        Assert.Single(SeasonRow.Draw([(Day(1), 100, 80.0), (Day(2), 90, null)], d => d.Day, null).Lifted);
    }
}
