using System.Globalization;
using System.Net;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace InchBurst.Web.Tests;

/// <summary>Trials in the file: the same definition in C# and in SQL, kept whole through undo, correction and an older file.</summary>
public sealed class TrialDataTests : IAsyncLifetime
{
    private const string Url = "/Sessions/49/Trackside";
    private TestHouse house = null!;
    private Visitor coach = null!;

    public async ValueTask InitializeAsync()
    {
        house = await TestHouse.OpenAsync(demo: true);
        coach = await house.CoachAsync();
        await coach.PostAsync(Url, Url + "?handler=Start", [.. Enumerable.Range(1, 6).Select(i => ("here", $"{i}"))]);
    }

    public ValueTask DisposeAsync() => house.DisposeAsync();

    private async Task<int> LineAsync(string text)
    {
        await coach.PostAsync("/Sessions/49", "/Sessions/49?handler=Add", ("text", text));
        var line = await house.InDbAsync(async db => PlanJson.Read((await db.Sessions.SingleAsync(s => s.Id == 49)).RanPlanJson!).Lines.Last().Id);
        await Do("Line", ("line", $"{line}"));
        return line;
    }

    private Task<(HttpStatusCode Code, AngleSharp.Dom.IDocument Page, HttpResponseMessage Response)> Do(string handler, params (string, string)[] fields) => coach.PostAsync(Url, $"{Url}?handler={handler}", fields);

    private async Task<Run> SaveAsync(int line, int rep, string marks, int athlete = 1)
    {
        await Do("Save", [("client", $"{Guid.NewGuid()}"), ("athlete", $"{athlete}"), ("line", $"{line}"), ("rep", $"{rep}"), ("overrule", "true"), .. marks.Split('|').Select(m => ("mark", m))]);
        return await house.InDbAsync(db => db.Runs.Include(r => r.Marks).Include(r => r.Stretches).OrderByDescending(r => r.Id).FirstAsync());
    }

    /// <summary>Saves the session's settings form as it stands, but for these fields.</summary>
    private async Task<AngleSharp.Dom.IDocument> SetAsync(params (string Name, string Value)[] changed)
    {
        var form = await coach.PageAsync("/Sessions/49");
        return (await coach.PostAsync("/Sessions/49", "/Sessions/49?handler=Settings", [.. form.QuerySelectorAll("form[action*='Settings'] [name^='Input.']").Select(i => i.GetAttribute("name")!).Distinct()
            .Select(n => (n, changed.FirstOrDefault(c => c.Name == n).Value ?? (form.QuerySelector($"[name='{n}']") is AngleSharp.Html.Dom.IHtmlSelectElement s ? s.Value : form.QuerySelector($"[name='{n}']")!.GetAttribute("value")) ?? ""))])).Page;
    }

    private async Task<T> InAsync<TService, T>(Func<TService, Task<T>> act)
        where TService : notnull
    {
        await using var scope = house.Services.CreateAsyncScope();
        return await act(scope.ServiceProvider.GetRequiredService<TService>());
    }

    [Fact]
    public async Task A_rep_is_run_in_what_is_said_of_its_session()
    {
        await SetAsync(("Input.Wind", "-1.4"), ("Input.Shoes", "Court"), ("Input.Altitude", "640"));
        var line = await LineAsync("3 x 30 m gates 10,30");

        var run = await SaveAsync(line, 1, "1.95|4.50");

        Assert.Equal((Shoes.Court, -1.4, 640.0, false), (run.Shoes, run.Wind, run.Altitude, run.HasOwnSetting));
        Assert.All(run.Stretches, s => Assert.EndsWith("|court", s.Key, StringComparison.Ordinal));
        Assert.InRange(run.Stretches.Single(s => s is { FromMillimetres: 0, ToMillimetres: 30_000 }).Air!.Value, -0.06, -0.01);
        Assert.Contains("in court shoes", (await coach.PageAsync(Url)).DocumentElement.TextContent);
    }

    [Fact]
    public async Task A_long_run_is_estimated_by_what_was_known_of_the_athlete_before_its_day()
    {
        var today = await house.InDbAsync(db => db.Sessions.Where(s => s.Id == 49).Select(s => s.Day).SingleAsync());
        Task<double> Tau(DateOnly day) => InAsync<SquadBook, double>(b => b.TauBeforeAsync(1, day));
        var before = await Tau(today);
        var sixty = await LineAsync("2 x 60 m");
        var first = await SaveAsync(sixty, 1, "8.20");
        Assert.Equal(EstimatedSpeed.Of(first.ToLogged(), before), first.EstimatedSpeed);

        // What is run on the day itself counts from the next one on.
        var gates = await LineAsync("4 x 30 m gates 5,10,20,30");
        foreach (var rep in Enumerable.Range(1, 4))
        {
            await SaveAsync(gates, rep, "1.25|1.98|3.21|4.34");
        }

        Assert.Equal(before, await Tau(today));
        Assert.NotEqual(before, await Tau(today.AddDays(1)));
        Assert.Equal(before, await Tau(today));
        await Do("Line", ("line", $"{sixty}"));
        Assert.Equal(first.EstimatedSpeed, (await SaveAsync(sixty, 2, "8.20")).EstimatedSpeed);

        // A run of an earlier day that is corrected counts at once.
        var old = await house.InDbAsync(db => db.Runs.Include(r => r.Marks).Where(r => r.AthleteId == 1 && r.Day < today && r.Marks.Count >= 3).OrderByDescending(r => r.Day).ThenBy(r => r.Id).ToListAsync());
        foreach (var run in old)
        {
            await InAsync<TracksideBook, LiveDone?>(b => b.DoAsync(run.SessionId, new CorrectRun(run.Id, [.. run.ToLogged().Marks.Select(m => m with { Seconds = Math.Round(m.Seconds * 1.1, 2) })]) { Client = Guid.NewGuid() }, new("Odalys", true)));
        }

        Assert.NotEqual(before, await Tau(today));
    }

    [Fact]
    public async Task The_file_finds_the_same_best_before_a_run_as_the_program_does()
    {
        var all = await house.InDbAsync(db => db.Runs.Include(r => r.Marks).Where(r => r.AthleteId <= 3 && r.Outcome == RunOutcome.Timed).ToListAsync());
        var asked = all.Where((_, i) => i % 23 == 0).ToList();
        Assert.True(asked.Count > 10);
        foreach (var run in asked)
        {
            var earlier = all.Where(r => r.AthleteId == run.AthleteId && r.Id != run.Id && (r.Day < run.Day || (r.Day == run.Day && r.FinishedAt <= run.FinishedAt))).Select(r => r.ToLogged());
            var expected = RunMeaning.Of(run.ToLogged(), earlier).BestSeconds;
            var found = await InAsync<ResultsBook, double?>(book => book.BestBeforeAsync(run));
            Assert.Equal(expected ?? -1, found ?? -1, 6);
        }

        // And the best of every trial that the athlete's page lists.
        foreach (var best in await InAsync<SquadBook, IReadOnlyList<TrialBest>>(book => book.BestsAsync(1)))
        {
            var of = all.Where(r => r.AthleteId == 1).Select(r => r.ToLogged()).SelectMany(Stretches.Of)
                .Where(s => s.Key == (best.IsFlying ? best.Trial.FlyingKey : best.Trial.StartKey) && s.FromMillimetres == best.FromMillimetres && s.ToMillimetres == best.To.Millimetres).ToList();
            Assert.Equal((of.Min(s => s.Seconds), of.Count), (best.Seconds, best.Runs));
        }
    }

    [Fact]
    public async Task Every_run_of_the_demo_keeps_just_the_stretches_its_marks_give()
    {
        var wrong = await house.InDbAsync(async db => (await db.Runs.IgnoreQueryFilters().Include(r => r.Marks).Include(r => r.Stretches).ToListAsync())
            .Count(r => r.Outcome == RunOutcome.Timed && !Stretches.Of(r.ToLogged()).Select(s => (s.Key, s.FromMillimetres, s.ToMillimetres, s.Seconds)).ToHashSet().SetEquals(r.Stretches.Select(s => (s.Key, s.FromMillimetres, s.ToMillimetres, s.Seconds)))));
        Assert.Equal(0, wrong);
        Assert.Equal(0, await house.InDbAsync(db => db.Runs.CountAsync(r => r.Course == "")));
    }

    [Fact]
    public async Task A_load_a_turn_and_a_moving_start_are_stored_with_the_run_and_never_make_a_plain_best()
    {
        var before = await InAsync<SquadBook, IReadOnlyList<TrialBest>>(book => book.BestsAsync(1));
        var sled = await SaveAsync(await LineAsync("2 x 20 m sled 12 kg"), 1, "3.90");
        Assert.Equal(("sled12kg", "straight"), (sled.Load, sled.Course));
        var turn = await SaveAsync(await LineAsync("five-ten-five"), 1, "4.95");
        Assert.Equal("5m+t180R+10m+t180L+5m", turn.Course);
        Assert.Null(turn.FlyingSpeed);
        var rolling = await SaveAsync(await LineAsync("2 x 20 m from moving 8 m"), 1, "1.90");
        Assert.Equal((StartPosition.Moving, 8.0), (rolling.Start!.Value, rolling.RunInMetres!.Value));
        var fly = await SaveAsync(await LineAsync("20 build + 10 fly + 20 slow tow +4%v"), 1, "2.60|3.55");
        Assert.Equal((20000, 30000), (fly.ZoneFrom!.Value, fly.ZoneTo!.Value));
        Assert.Null(fly.FlyingSpeed);

        var after = await InAsync<SquadBook, IReadOnlyList<TrialBest>>(book => book.BestsAsync(1));
        var plain = before.Where(b => b.Trial.Words.Length == 0 && b.Trial.IsStraight).ToList();
        Assert.NotEmpty(plain);
        Assert.All(plain, b => Assert.Contains(after, a => a with { Adjusted = null } == b with { Adjusted = null }));

        // On the page each stands under its own name, and a message tells help as help.
        var tables = (await coach.PageAsync("/Athletes/1")).QuerySelectorAll(".bests").Select(t => t.TextContent).ToList();
        Assert.Contains("5-10-5", tables[0]);
        Assert.Contains("from moving 8 m", tables[0]);
        Assert.DoesNotContain("sled", tables[0]);
        Assert.Contains("sled 12 kg", tables[1]);
        Assert.Contains("after 20 m, tow 4% of speed", tables[1]);
        Assert.DoesNotContain("5-10-5", tables[1]);
        var review = (await coach.PageAsync("/Sessions/49/Review")).Body!.TextContent;
        Assert.Contains("(tow 4% of speed): 0.95 s; with help, so not your own speed.", review);
        Assert.Contains("(sled 12 kg)", review);
        Assert.DoesNotContain("10.53 m/s", review.Split("with help")[0].Split("tow 4%")[^1]);
    }

    [Fact]
    public async Task What_is_run_on_is_the_sessions_and_never_compared_with_other_ground()
    {
        var line = await LineAsync("3 x 20 m gates 10,20");
        Task<IReadOnlyList<TrialBest>> BestsAsync() => InAsync<SquadBook, IReadOnlyList<TrialBest>>(book => book.BestsAsync(1));
        var before = (await BestsAsync()).Single(b => b.Trial == new Trial(Trial.Straight, null, null, StartTrigger.FirstGate, 0, TimingMethod.Electronic, "", null) && b is { FromMillimetres: 0, To.Millimetres: 20000 });
        await SetAsync(("Input.Surface", "Grass"));
        var run = await SaveAsync(line, 1, "1.70|2.80");
        Assert.Equal(Surface.Grass, run.Surface);
        Assert.Null(await InAsync<ResultsBook, double?>(book => book.BestBeforeAsync(run)));
        Assert.Contains(", on grass", (await coach.PageAsync(Url)).Body!.TextContent);
        Assert.Contains("on grass", (await coach.PageAsync("/Athletes/1")).Body!.TextContent);
        Assert.Contains(await BestsAsync(), b => b.Trial == before.Trial && (b.FromMillimetres, b.To.Millimetres, b.Seconds) == (0, 20000, before.Seconds));
        var demand = LineDemand.Of(ShorthandLine.Read("3 x 20 m gates 10,20").Line!, ExerciseCatalogue.BuiltIn);
        var timing = new LineTiming(TimingMethod.Electronic, StartTrigger.FirstGate, 0) { Surface = Surface.Grass };
        Assert.Equal([1, 1], (await InAsync<ResultsBook, IReadOnlyList<StretchRange>>(book => book.RangesAsync(1, demand, timing, null))).Select(r => r.Runs));

        // Said wrongly and put right: what was run there follows, and the next session of the squad begins with it.
        await SetAsync(("Input.Surface", "Hall"));
        Assert.All(await house.InDbAsync(db => db.RunStretches.Where(r => r.RunId == run.Id).Select(r => r.Key).ToListAsync()), key => Assert.EndsWith("|hall", key));
        Assert.Equal(Surface.Hall, await house.InDbAsync(db => db.Runs.Where(r => r.Id == run.Id).Select(r => r.Surface).SingleAsync()));
        Assert.Equal("Hall", ((AngleSharp.Html.Dom.IHtmlSelectElement)(await coach.PageAsync("/Sessions/New")).QuerySelector("#Input_Surface")!).Value);
    }

    [Fact]
    public async Task Taking_back_correcting_and_putting_back_keep_the_stretches_true()
    {
        var line = await LineAsync("2 x 30 m gates 10,20,30 m");
        var run = await SaveAsync(line, 1, "2.00|3.20|4.35");
        Assert.Equal(6, run.Stretches.Count);
        async Task<List<RunStretch>> KeptAsync() => await house.InDbAsync(db => db.RunStretches.Where(s => s.RunId == run.Id).OrderBy(s => s.FromMillimetres).ThenBy(s => s.ToMillimetres).ToListAsync());
        await Do("Undo", ("run", $"{run.Id}"));
        Assert.Empty(await KeptAsync());
        Assert.Null((await house.InDbAsync(db => db.Runs.IgnoreQueryFilters().SingleAsync(r => r.Id == run.Id))).FlyingSpeed);
        await Do("Undo", ("run", $"{run.Id}"), ("back", "true"));
        Assert.Equal([2.00, 3.20, 4.35], (await KeptAsync()).Where(s => s.FromMillimetres == 0).Select(s => s.Seconds));
        var correct = $"/Sessions/49/Runs/{run.Id}";
        await coach.PostAsync(correct, correct, ("mark", "2.05"), ("mark", ""), ("mark", "4.40"), ("overrule", "true"));
        Assert.Equal("0-10 0-30 10-30", string.Join(' ', (await KeptAsync()).Select(s => $"{s.FromMillimetres / 1000}-{s.ToMillimetres / 1000}")));
    }

    [Fact]
    public async Task A_sixty_without_fly_gates_moves_the_clock_and_says_it_is_estimated()
    {
        // Somebody whose clock is older than today.
        var run = await SaveAsync(await LineAsync("2 x 60 m rest 6:00"), 1, "7.75");
        Assert.Null(run.FlyingSpeed);
        Assert.InRange(run.EstimatedSpeed!.Value, 8.4, 9.6);
        var page = (await coach.PageAsync("/Athletes/1")).QuerySelector(".six")!.TextContent;
        Assert.Contains("estimated", page);
        // The session is the day the demo was made, which is yesterday when midnight has passed since.
        Assert.StartsWith($"{DateOnly.FromDateTime(DateTime.Now).DayNumber - run.Day.DayNumber}", page.Trim());

        // Too slow to have been near top speed, it moves nothing.
        Assert.InRange((await SaveAsync(run.LineId, 1, "9.50", athlete: 2)).EstimatedSpeed!.Value, 5, 7.5);
        Assert.DoesNotContain("estimated", (await coach.PageAsync("/Athletes/2")).QuerySelector(".six")!.TextContent);
    }

    [Fact]
    public async Task The_start_distance_is_asked_for_once_and_remembered()
    {
        var line = await LineAsync("2 x 30 m gates 5,10,20,30 m");
        var page = await coach.PageAsync(Url);
        Assert.Contains("start distance not measured", page.QuerySelector(".t-state")!.TextContent);
        Assert.Equal("", page.QuerySelector("#behind")!.GetAttribute("value"));
        Assert.False((await SaveAsync(line, 1, "1.10|1.85|3.10|4.25")).StartSaid);
        await Do("Timing", ("line", $"{line}"), ("method", "Electronic"), ("trigger", "FirstGate"), ("entry", "Cumulative"), ("behind", "0.5"));
        Assert.Contains("start 0.5 m behind it", (await coach.PageAsync(Url)).QuerySelector(".t-state")!.TextContent);
        var said = await SaveAsync(line, 2, "1.10|1.85|3.10|4.25");
        Assert.Equal((true, 0.5), (said.StartSaid, said.StartBehindGateMetres));

        // Said as nothing it is not measured again; said as 0 it is known to be 0.
        await Do("Timing", ("line", $"{line}"), ("method", "Electronic"), ("trigger", "FirstGate"), ("entry", "Cumulative"), ("behind", ""));
        Assert.Contains("not measured", (await coach.PageAsync(Url)).QuerySelector(".t-state")!.TextContent);
        await Do("Timing", ("line", $"{line}"), ("method", "Electronic"), ("trigger", "FirstGate"), ("entry", "Cumulative"), ("behind", "0"));
        Assert.DoesNotContain("not measured", (await coach.PageAsync(Url)).QuerySelector(".t-state")!.TextContent);

        // The squad's next session begins with what was said.
        var form = await coach.PageAsync("/Sessions/New");
        var (_, _, made) = await coach.PostAsync("/Sessions/New", "/Sessions/New", [.. form.QuerySelectorAll("form[method=post] input[name^='Input.'], form[method=post] select[name^='Input.']").Select(i => (
            i.GetAttribute("name")!, (i is AngleSharp.Html.Dom.IHtmlSelectElement select ? select.Value : i.GetAttribute("value")) ?? ""))]);
        var id = int.Parse(made.Headers.Location!.OriginalString.Split('/')[^1], CultureInfo.InvariantCulture);
        Assert.True(await house.InDbAsync(async db => (await db.Sessions.SingleAsync(s => s.Id == id)).StartSaid));
    }

    [Fact]
    public async Task An_older_files_runs_are_filled_from_the_plans_they_were_run_by()
    {
        await house.InDbAsync(async db =>
        {
            await db.Database.ExecuteSqlRawAsync("DELETE FROM RunStretches; UPDATE Runs SET Course = '', Load = '', ZoneFrom = NULL, ZoneTo = NULL, StartSaid = 0, FlyingSpeed = NULL");

            // One whose line is gone from its plan.
            await db.Database.ExecuteSqlRawAsync($"UPDATE Runs SET LineId = 9999, Kind = {(int)WorkKind.Resisted} WHERE Id = 1");
            return 0;
        });
        var count = await house.InDbAsync(db => db.Runs.IgnoreQueryFilters().CountAsync());
        Assert.Equal(count, await house.InDbAsync(db => TrialFill.RunAsync(db, ExerciseCatalogue.BuiltIn)));
        Assert.Equal(0, await house.InDbAsync(db => TrialFill.RunAsync(db, ExerciseCatalogue.BuiltIn)));
        Assert.Equal("sled", (await house.InDbAsync(db => db.Runs.SingleAsync(r => r.Id == 1))).Load);
        Assert.True(await house.InDbAsync(db => db.Runs.AnyAsync(r => r.ZoneFrom == 20000 && r.ZoneTo == 30000)));
        Assert.True(await house.InDbAsync(db => db.Runs.Where(r => r.StartBehindGateMetres > 0).AllAsync(r => r.StartSaid)));
        Assert.True(await house.InDbAsync(db => db.Runs.AnyAsync(r => r.FlyingSpeed > 8)));
        await Every_run_of_the_demo_keeps_just_the_stretches_its_marks_give();
    }

    [Fact]
    public async Task Ranges_are_of_the_lines_own_trial_and_effort()
    {
        LineDemand Asked(string text) => LineDemand.Of(ShorthandLine.Read(text).Line!, ExerciseCatalogue.BuiltIn);
        Task<IReadOnlyList<StretchRange>> RangesAsync(string text, double behind = 0, TimingMethod method = TimingMethod.Electronic) =>
            InAsync<ResultsBook, IReadOnlyList<StretchRange>>(book => book.RangesAsync(1, Asked(text), new(method, StartTrigger.FirstGate, behind), null));
        var plain = await RangesAsync("3 x 20 m gates 5,10,20");
        Assert.Equal([(0, 5000), (5000, 10000), (10000, 20000)], plain.Select(r => (r.FromMillimetres, r.ToMillimetres)));
        Assert.All(plain, r => Assert.InRange(r.Runs, 3, 20));
        var back = await RangesAsync("3 x 20 m gates 5,10,20", 0.5);
        Assert.True(back[0].Slowest < plain[0].Fastest);
        Assert.Empty(await RangesAsync("3 x 20 m gates 5,10,20 @80%"));
        Assert.Empty(await RangesAsync("3 x 20 m gates 5,10,20 sled 10 kg"));
        Assert.Empty(await RangesAsync("3 x 20 m gates 5,10,20", method: TimingMethod.Hand));
    }

    [Fact]
    public async Task Kit_and_queue_are_set_for_a_session_and_change_its_clock()
    {
        await coach.PostAsync("/Sessions/49", "/Sessions/49?handler=Add", ("text", "squat 3 x 3"));
        async Task<string> TimeAsync() => (await coach.PageAsync("/Sessions/49")).QuerySelectorAll(".line").Last(l => l.TextContent.Contains("Squat", StringComparison.Ordinal)).QuerySelector(".time")!.TextContent;
        var before = await TimeAsync();
        await SetAsync(("Input.Racks", "1"), ("Input.Changeover", "10"), ("Input.StartInterval", "5"));
        var session = await house.InDbAsync(db => db.Sessions.SingleAsync(s => s.Id == 49));
        Assert.Equal((5.0, 10.0, "{\"Rack\":1}"), (session.StartIntervalSeconds, session.ChangeoverSeconds, session.KitJson));
        Assert.NotEqual(before, await TimeAsync());
        var bad = await SetAsync(("Input.Racks", "0"));
        Assert.Contains("From 1 to 99, or empty for enough.", bad.Body!.TextContent);
    }

    [Fact]
    public async Task A_clubs_own_exercise_says_what_the_body_does_and_the_load_that_belongs_to_it()
    {
        (string, string)[] Of(string load) =>
        [
            ("of", ""), ("Input.Name", "wheel shove"), ("Input.Kind", "Strength"), ("Input.Family", "own"), ("Input.Counted", "Metres"), ("Input.Dose", "3 x 15 m"), ("Input.Effort", "95"), ("Input.Contacts", "0"), ("Input.For", "Push."), ("Input.Movement", "Sprint"),
            ("Input.Load", load), ("Input.SecondsEach", "2"),
        ];
        var bad = (await coach.PostAsync("/Drills/Edit", "/Drills/Edit", Of("a lot"))).Page;
        Assert.Contains("Write the load as on a line", bad.Body!.TextContent);
        Assert.Equal("a lot", bad.QuerySelector("[name='Input.Load']")!.GetAttribute("value"));
        Assert.Equal(HttpStatusCode.Redirect, (await coach.PostAsync("/Drills/Edit", "/Drills/Edit", Of("sled heavy"))).Code);
        var page = (await coach.PostAsync("/Sessions/49", "/Sessions/49?handler=Add", ("text", "wheel shove 3 x 15 m"))).Page;
        Assert.Contains("heavier than this school pulls", page.Body!.TextContent);
        var form = await coach.PageAsync("/Drills/Edit?of=wheel%20shove");
        Assert.Equal(("sled heavy", "Sprint"), (form.QuerySelector("[name='Input.Load']")!.GetAttribute("value"), ((AngleSharp.Html.Dom.IHtmlSelectElement)form.QuerySelector("[name='Input.Movement']")!).Value));
    }

    [Fact]
    public async Task The_builder_shows_a_turning_line_from_above_with_what_it_asks()
    {
        var page = (await coach.PostAsync("/Sessions/49", "/Sessions/49?handler=Add", ("text", "6 x 5 back + turn 180 left + 20 m"))).Page;
        var line = page.QuerySelectorAll("[data-line]").Last().GetAttribute("data-line");
        var chosen = await coach.PageAsync($"/Sessions/49?line={line}");
        Assert.NotNull(chosen.QuerySelector("svg.course"));
        var set = chosen.QuerySelectorAll(".setout").First().TextContent;
        Assert.Contains("turn 180° left", set);
        Assert.Contains("25 m run", set);
        Assert.DoesNotContain("−5", set);
        Assert.Contains("turning 120 m", chosen.Body!.TextContent);

        // The fields say the same as the text, movement and waves among them.
        var fields = await coach.PageAsync($"/Sessions/49?handler=Builder&line={line}");
        Assert.Equal("backpedal", ((AngleSharp.Html.Dom.IHtmlSelectElement)fields.QuerySelector("select[name=SegmentRole]")!).Value);
    }
}
