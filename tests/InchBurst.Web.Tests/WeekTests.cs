using System.Net;
using AngleSharp.Dom;
using InchBurst.Core.Live;
using InchBurst.Core.Plan;
using InchBurst.Core.School;
using InchBurst.Core.Season;
using InchBurst.Data;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace InchBurst.Web.Tests;

/// <summary>The week board on the demo club's file: moves, findings' fixes, suggestions, each with its way back.</summary>
public sealed class WeekTests : IAsyncLifetime
{
    private TestHouse house = null!;
    private Visitor coach = null!;

    public async ValueTask InitializeAsync()
    {
        house = await TestHouse.OpenAsync(demo: true);
        coach = await house.CoachAsync();
    }

    public ValueTask DisposeAsync() => house.DisposeAsync();

    private static DateOnly Today => DateOnly.FromDateTime(DateTime.Now);

    // Two weeks on nothing is planned by the demo: a week of its own for every test.
    private static DateOnly Monday => WeekBook.MondayOf(Today).AddDays(35);

    private static string Iso(DateOnly day) => $"{day:yyyy-MM-dd}";

    private async Task<TrainingSession> PlanAsync(string name, DateOnly day, string group, params string[] lines)
    {
        await using var scope = house.Services.CreateAsyncScope();
        return await scope.ServiceProvider.GetRequiredService<SessionBook>().CreateAsync(
            new() { Name = name, Day = day, SquadId = 1, Group = group, WindowMinutes = 60 }, InchBurst.Data.Demo.DemoClub.PlanOf(lines), "test");
    }

    private Task<TrainingSession?> SessionAsync(int id) => house.InDbAsync(db => db.Sessions.AsNoTracking().SingleOrDefaultAsync(s => s.Id == id));

    private async Task ClearAsync() => await house.InDbAsync(db => db.CalendarEntries.Where(e => e.Day >= Monday.AddDays(-7) && e.Day <= Monday.AddDays(13)).ExecuteDeleteAsync());

    private async Task MatchAsync(DateOnly day) => await house.InDbAsync(async db =>
    {
        db.CalendarEntries.Add(new() { SquadId = 1, Kind = EntryKind.Match, Title = "v Greyhaven", Day = day, LastDay = day });
        return await db.SaveChangesAsync();
    });

    private Task<(HttpStatusCode Code, IDocument Page, HttpResponseMessage Response)> DoAsync(string handler, params (string, string)[] fields) => coach.PostAsync("/Season", $"/Season?handler={handler}", [("week", Iso(Monday)), .. fields]);

    private async Task<IDocument> WeekAsync() => await coach.PageAsync($"/Season?week={Iso(Monday)}");

    [Fact]
    public async Task A_session_moves_is_pinned_and_taken_out_and_everything_can_be_taken_back()
    {
        await ClearAsync();
        var session = await PlanAsync("Flies", Monday.AddDays(1), "", "3 x 20 build + 10 fly + 20 m slow @100% rest 4:00");
        (string, string) Seen(int day) => ("seen", Iso(Monday.AddDays(day)));
        await DoAsync("Move", ("session", $"{session.Id}"), Seen(1), ("to", Iso(Monday.AddDays(3))));

        // Whoever still sees it on Tuesday is told, and moves nothing and takes nothing out.
        Assert.Equal(HttpStatusCode.Redirect, (await DoAsync("Move", ("session", $"{session.Id}"), Seen(1), ("to", Iso(Monday.AddDays(5))))).Code);
        await DoAsync("TakeOut", ("session", $"{session.Id}"), Seen(1));
        Assert.Equal(Monday.AddDays(3), (await SessionAsync(session.Id))!.Day);
        await DoAsync("Pin", ("session", $"{session.Id}"), ("pinned", "true"));
        Assert.Contains("pinned", (await WeekAsync()).QuerySelector($".card-day[data-session='{session.Id}']")!.ClassName!, StringComparison.Ordinal);
        await DoAsync("TakeOut", ("session", $"{session.Id}"), Seen(3));
        Assert.Null(await SessionAsync(session.Id));

        // Back along the three steps, the latest first.
        for (var i = 0; i < 3; i++)
        {
            var step = (await WeekAsync()).QuerySelector("form[action*='Undo'] input[name=step]")!.GetAttribute("value")!;
            await DoAsync("Undo", ("step", step));
            await DoAsync("Undo", ("step", step));
        }

        var now = (await SessionAsync(session.Id))!;
        Assert.Equal((Monday.AddDays(1), false), (now.Day, now.IsPinned));
        Assert.Null((await WeekAsync()).QuerySelector("form[action*='Undo']"));

        // What was run stays, also when somebody asks; another squad's session is not this one's.
        await house.InDbAsync(db => db.Sessions.Where(s => s.Id == session.Id).ExecuteUpdateAsync(u => u.SetProperty(s => s.State, SessionState.Ended)));
        await DoAsync("Move", ("session", $"{session.Id}"), Seen(1), ("to", Iso(Monday)));
        Assert.Equal(Monday.AddDays(1), (await SessionAsync(session.Id))!.Day);
        var junior = await house.InDbAsync(db => db.Sessions.Where(s => s.SquadId == 2 && s.State == SessionState.Planned).Select(s => s.Id).FirstAsync());
        var day = (await SessionAsync(junior))!.Day;
        await DoAsync("Move", ("session", $"{junior}"), ("seen", Iso(day)), ("to", Iso(Monday)));
        Assert.Equal(day, (await SessionAsync(junior))!.Day);
    }

    [Fact]
    public async Task A_finding_is_mended_by_its_move_found_anew_and_the_move_can_be_taken_back()
    {
        await ClearAsync();
        await MatchAsync(Monday.AddDays(6));
        var session = await PlanAsync("Flies", Monday.AddDays(4), "", "3 x 20 build + 10 fly + 20 m slow @100% rest 4:00");
        var finding = (await WeekAsync()).QuerySelectorAll(".week-finding").First(f => f.TextContent.Contains("Flies: top speed 2 days before the match", StringComparison.Ordinal));
        var button = finding.QuerySelector("button[name=label]")!;
        Assert.Equal("Move Flies to Thursday", button.TextContent);
        (string, string)[] Fields() => [.. button.Closest("form")!.QuerySelectorAll("input[type=hidden]").Where(i => i.GetAttribute("name") is not ("week" or "__RequestVerificationToken")).Select(i => (i.GetAttribute("name")!, i.GetAttribute("value") ?? "")), ("label", button.TextContent)];
        await DoAsync("Fix", Fields());
        Assert.Equal(Monday.AddDays(3), (await SessionAsync(session.Id))!.Day);
        Assert.DoesNotContain((await WeekAsync()).QuerySelectorAll(".week-finding"), f => f.TextContent.Contains("Flies: top speed", StringComparison.Ordinal));

        // Asked once more the finding is gone, and nothing is done.
        var steps = await house.InDbAsync(db => db.WeekSteps.CountAsync());
        await DoAsync("Fix", Fields());
        Assert.Equal(steps, await house.InDbAsync(db => db.WeekSteps.CountAsync()));
    }

    [Fact]
    public async Task Who_would_be_over_gets_a_line_of_their_own_or_the_match()
    {
        await ClearAsync();
        await MatchAsync(Monday.AddDays(6));
        var starts = await PlanAsync("Starts", Monday.AddDays(1), LineAudience.HighMinutes, "3 x 20 m @70,80,85% rest walk-back", "4 x 10 m from falling through 5 m rest 1:00", "cool-down 5 min");
        var finding = (await WeekAsync()).QuerySelectorAll(".week-finding").First(f => f.TextContent.Contains("without top speed", StringComparison.Ordinal) && f.TextContent.Contains("One fly on Tuesday", StringComparison.Ordinal));
        await DoAsync("Fix", ("group", LineAudience.HighMinutes), ("rule", "due"), ("label", "One fly on Tuesday"));
        var plan = PlanJson.Read((await SessionAsync(starts.Id))!.PlanJson);
        var fly = plan.Lines.Single(l => l.Shape is RunShape { Fly: not null });
        Assert.True(plan.Lines.ToList().IndexOf(fly) < plan.Lines.Count() - 1, "the fly stands before the cool-down");
        var board = await BoardAsync();
        Assert.DoesNotContain(WeekRules.Judge(board.Groups[0].Week), f => f.Rule == "due" && f.Day > Monday.AddDays(1));

        // Taken back, the plan is as it was; the match counts instead.
        var step = await house.InDbAsync(db => db.WeekSteps.OrderByDescending(s => s.Id).Select(s => s.Id).FirstAsync());
        await DoAsync("Undo", ("step", $"{step}"));
        Assert.Equal(3, PlanJson.Read((await SessionAsync(starts.Id))!.PlanJson).Lines.Count());
        Assert.NotEmpty(finding.TextContent);
    }

    private async Task<WeekBoard> BoardAsync(DateOnly? monday = null)
    {
        await using var scope = house.Services.CreateAsyncScope();
        var squad = await scope.ServiceProvider.GetRequiredService<ClubDb>().Squads.SingleAsync(s => s.Id == 1);
        return await scope.ServiceProvider.GetRequiredService<WeekBook>().BoardAsync(squad, monday ?? Monday, Today);
    }

    [Fact]
    public async Task A_match_counts_for_those_of_whom_the_coach_says_so_and_keeps_their_minutes()
    {
        await using var scope = house.Services.CreateAsyncScope();
        var (weeks, db) = (scope.ServiceProvider.GetRequiredService<WeekBook>(), scope.ServiceProvider.GetRequiredService<ClubDb>());
        var match = await db.CalendarEntries.Where(e => e.Kind == EntryKind.Match && e.Day < Today).OrderByDescending(e => e.Day).FirstAsync();
        var before = await db.PlayedMinutes.AsNoTracking().SingleAsync(m => m.EntryId == match.Id && m.AthleteId == 4);
        var step = await weeks.CountMatchAsync(1, match.Id, [4, 11], "test");
        Assert.Equal((before.Minutes, true), await db.PlayedMinutes.AsNoTracking().Where(m => m.EntryId == match.Id && m.AthleteId == 4).Select(m => ValueTuple.Create(m.Minutes, m.CountsAsTopSpeed)).SingleAsync());
        Assert.Contains(match.Day, (await scope.ServiceProvider.GetRequiredService<SquadBook>().ReachedDaysAsync(1, Today.AddDays(-30)))[11]);
        await weeks.UndoAsync(1, step!.Id);
        Assert.False(await db.PlayedMinutes.AsNoTracking().Where(m => m.EntryId == match.Id && m.AthleteId == 4).Select(m => m.CountsAsTopSpeed).SingleAsync());
        Assert.Null(await weeks.CountMatchAsync(2, match.Id, [4], "test"));
    }

    [Fact]
    public async Task A_suggested_week_is_put_in_place_in_one_step_and_taken_back_in_one()
    {
        await ClearAsync();
        await MatchAsync(Monday.AddDays(-1));
        await MatchAsync(Monday.AddDays(6));
        var kept = await PlanAsync("Pinned starts", Monday.AddDays(3), LineAudience.LowMinutes, "2 x 10 m from standing rest 2:00");
        await DoAsync("Pin", ("session", $"{kept.Id}"), ("pinned", "true"));
        var late = await PlanAsync("Flies too late", Monday.AddDays(5), LineAudience.HighMinutes, "3 x 20 build + 10 fly + 20 m slow @100% rest 4:00");
        var page = await coach.PageAsync($"/Season/Suggest?week={Iso(Monday)}");
        Assert.Equal(2, page.QuerySelectorAll(".suggest-days").Length);
        Assert.Contains("why not else", page.Body!.TextContent, StringComparison.Ordinal);
        var before = await house.InDbAsync(db => db.Sessions.CountAsync());
        await coach.PostAsync($"/Season/Suggest?week={Iso(Monday)}", $"/Season/Suggest?week={Iso(Monday)}", ("group", LineAudience.HighMinutes), ("group", LineAudience.LowMinutes));

        // Nothing hard in the last two days, nothing that a day rule minds; what was pinned is where it was.
        var board = await BoardAsync();
        Assert.Equal(Monday.AddDays(3), (await SessionAsync(kept.Id))!.Day);
        Assert.NotEqual(Monday.AddDays(5), (await SessionAsync(late.Id))?.Day);
        foreach (var group in board.Groups)
        {
            Assert.DoesNotContain(WeekRules.Days.SelectMany(r => r.Look(group.Week)), f => f.Rule is "clear" or "after" or "apart" or "sessions");
            Assert.Contains(group.Week.Sessions, s => s.Day >= Monday && s.Day <= Monday.AddDays(6) && s.Dose.ReachesTopSpeed);
        }

        var made = await house.InDbAsync(db => db.Sessions.Where(s => s.Day >= Monday && s.Day <= Monday.AddDays(6) && s.Id > late.Id).ToListAsync());
        Assert.All(made, s => Assert.True(s.Start is not null && s.Group.Length > 0 && s.Cue.Length > 0));
        Assert.Equal(made.Count, await house.InDbAsync(db => db.PlanRevisions.CountAsync(r => made.Select(m => m.Id).Contains(r.SessionId))));

        // Suggested again there is nothing to do.
        Assert.Contains("nothing to change", (await coach.PostAsync($"/Season/Suggest?week={Iso(Monday)}", $"/Season/Suggest?week={Iso(Monday)}", ("group", LineAudience.HighMinutes), ("group", LineAudience.LowMinutes))).Page.Body!.TextContent, StringComparison.Ordinal);
        var step = await house.InDbAsync(db => db.WeekSteps.OrderByDescending(s => s.Id).Select(s => s.Id).FirstAsync());
        await DoAsync("Undo", ("step", $"{step}"));
        Assert.Equal(before, await house.InDbAsync(db => db.Sessions.CountAsync()));
        Assert.Equal(Monday.AddDays(5), (await SessionAsync(late.Id))!.Day);
    }

    [Fact]
    public async Task A_session_is_suggested_for_a_day_with_others_instead()
    {
        await ClearAsync();
        var day = Monday.AddDays(3);
        var page = await coach.PageAsync($"/Season/Suggest/Session?day={Iso(day)}&group=high%20minutes&aim=Acceleration&second=TopSpeed");
        Assert.Equal(4, page.QuerySelectorAll(".season-offer").Length);
        await coach.PostAsync($"/Season/Suggest/Session?day={Iso(day)}", "/Season/Suggest/Session", ("day", Iso(day)), ("group", LineAudience.HighMinutes), ("aim", "Acceleration"), ("second", "TopSpeed"), ("offer", "2"));
        var made = await house.InDbAsync(db => db.Sessions.OrderByDescending(s => s.Id).FirstAsync());
        Assert.Equal((day, LineAudience.HighMinutes, new TimeOnly(17, 0), 4), (made.Day, made.Group, made.Start, made.Lanes));
        Assert.StartsWith("Top speed", made.Name, StringComparison.Ordinal);
        Assert.Contains("From 15 to 240", (await coach.PageAsync($"/Season/Suggest/Session?day={Iso(day)}&minutes=3")).QuerySelector(".wrong:not(:empty)")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("Nothing fits", (await coach.PageAsync($"/Season/Suggest/Session?day={Iso(day)}&minutes=16&lanes=1&aim=TopSpeed")).Body!.TextContent, StringComparison.Ordinal);

        // The day before a match a primer is offered by itself, and what does not belong there says so.
        await MatchAsync(day.AddDays(1));
        var before = await coach.PageAsync($"/Season/Suggest/Session?day={Iso(day)}&group=high%20minutes");
        Assert.Equal("Primer", before.QuerySelector("#aim option[selected]")!.TextContent);
        Assert.Contains("1 day before the match", (await coach.PageAsync($"/Season/Suggest/Session?day={Iso(day)}&group=high%20minutes&aim=TopSpeed")).QuerySelector(".season-offer .caution")!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_number_beside_the_board_makes_a_school_of_one_s_own_and_the_clocks_follow()
    {
        await DoAsync("Number", ("key", "week.every"), ("step", "1"));
        await DoAsync("Number", ("key", "week.every"), ("step", "1"));
        await using var scope = house.Services.CreateAsyncScope();
        var schools = scope.ServiceProvider.GetRequiredService<SchoolBook>();
        var school = await schools.OfSquadAsync(1);
        Assert.Equal(("Full rest, light loads, ours", 8.0), (school.Name, school["week.every"]));
        Assert.Equal(6, CoachingSchool.Usual["week.every"]);
        var rows = await scope.ServiceProvider.GetRequiredService<SquadBook>().RowsAsync(1, Today);
        Assert.All(rows.Where(r => r.Clock.Last is not null), r => Assert.Equal(r.Clock.Last!.Value.AddDays(8), r.Clock.DueOn));
        Assert.Equal(HttpStatusCode.NotFound, (await DoAsync("Number", ("key", "rest.free"), ("step", "1"))).Code);

        // Never beyond what the number may be.
        for (var i = 0; i < 30; i++)
        {
            await DoAsync("Number", ("key", "week.clear"), ("step", "-1"));
        }

        Assert.Equal(0, (await schools.OfSquadAsync(1))["week.clear"]);
        await coach.PostAsync($"/Season/Compare?week={Iso(Monday)}", $"/Season/Compare?week={Iso(Monday)}", ("school", "Twice a week"));
        Assert.Equal("Twice a week", (await schools.OfSquadAsync(1)).Name);
        var compared = await coach.PageAsync($"/Season/Compare?week={Iso(Monday)}");
        Assert.Equal("Twice a week", compared.QuerySelector(".compare-schools .own h2")!.TextContent);
        Assert.Equal(CoachingSchool.BuiltIn.Count + 1, compared.QuerySelectorAll(".compare-schools > section").Length);
    }

    [Fact]
    public async Task The_board_knows_who_was_away_who_is_missed_and_who_belongs_where()
    {
        var board = await BoardAsync(WeekBook.MondayOf(Today));
        Assert.Equal([LineAudience.HighMinutes, LineAudience.LowMinutes], board.Groups.Select(g => g.Key));
        Assert.Equal((8, 6), (board.Groups[0].Members.Count, board.Groups[1].Members.Count));
        var leilani = board.Groups[1].Week.Athletes.Single(a => a.Name == "Leilani Faumatu");
        Assert.NotNull(leilani.BackSince);
        Assert.InRange(leilani.BackSince!.Value.DayNumber, Today.AddDays(-10).DayNumber, Today.DayNumber);
        Assert.All(board.Groups[0].Week.Athletes, a => Assert.Null(a.BackSince));
        Assert.All(board.Groups.SelectMany(g => g.Week.Athletes).Where(a => a.LastTopSpeed is not null), a => Assert.Equal(board.Reached[a.Id].Where(d => d <= Today).Max(), a.LastTopSpeed));

        // A short run-up misses those whose own curve needs longer; a session for one group is not the other's.
        var low = await PlanAsync("Low only", Monday, LineAudience.LowMinutes, "3 x 15 build + 10 fly + 20 m slow @100% rest 4:00");
        var next = await BoardAsync();
        Assert.Contains(next.Groups[1].Week.Sessions, s => s.Id == low.Id);
        Assert.DoesNotContain(next.Groups[0].Week.Sessions, s => s.Id == low.Id);
    }

    [Fact]
    public async Task The_season_adds_up_what_was_planned_and_done_and_phases_are_kept()
    {
        await using var scope = house.Services.CreateAsyncScope();
        var book = scope.ServiceProvider.GetRequiredService<SeasonBook>();
        var monday = WeekBook.MondayOf(Today).AddDays(-28);
        var season = await book.ReadAsync(1, monday, 5, Today);
        Assert.Equal(5, season.Weeks.Count);
        Assert.All(season.Weeks.Take(4), w => Assert.InRange(w.Done.Values.Sum(), w.Planned * 0.5, w.Planned + 0.1));

        // Half of the runs of a line gone from the log is half of its metres.
        var session = await house.InDbAsync(db => db.Sessions.Where(s => s.SquadId == 1 && s.Name == "Tuesday starts" && s.Day >= monday && s.Day < monday.AddDays(7)).SingleAsync());
        var line = PlanJson.Read(session.PlanJson).Lines.Last(l => l.Kind == WorkKind.Acceleration);
        var whole = season.Weeks[0].Done[WorkKind.Acceleration];
        var ids = await house.InDbAsync(db => db.Runs.Where(r => r.SessionId == session.Id && r.LineId == line.Id).Select(r => r.Id).ToListAsync());
        await house.InDbAsync(db => db.Runs.Where(r => ids.Take(ids.Count / 3).Contains(r.Id)).ExecuteUpdateAsync(u => u.SetProperty(r => r.DeletedAt, DateTime.UtcNow)));
        var fewer = (await book.ReadAsync(1, monday, 5, Today)).Weeks[0].Done[WorkKind.Acceleration];
        Assert.Equal(whole - (60 * (ids.Count / 3) / (double)ids.Count), fewer, 3);

        (string, string)[] Phase(string to, int id = 0, int version = 0) => [("Input.Id", $"{id}"), ("Input.Version", $"{version}"), ("Input.Name", "Sharpen"), ("Input.Aim", "fly"), ("Input.From", Iso(Today)), ("Input.To", to), ("Input.MetresFirst", "300"), ("Input.MetresLast", "500"), ("Input.Drills", "A-skip, A-run")];
        Assert.Contains("before the first day", (await coach.PostAsync("/Season/Year", "/Season/Year", Phase(Iso(Today.AddDays(-1))))).Page.Body!.TextContent, StringComparison.Ordinal);
        await coach.PostAsync("/Season/Year", "/Season/Year", Phase(Iso(Today.AddDays(20))));
        var made = await house.InDbAsync(db => db.SeasonPhases.SingleAsync(p => p.Name == "Sharpen"));
        Assert.Equal("A-skip\nA-run", made.Drills);
        var page = await coach.PageAsync("/Season/Year");
        Assert.Contains("Sharpen begins before", page.Body!.TextContent, StringComparison.Ordinal);
        Assert.Contains("Somebody else changed this phase", (await coach.PostAsync("/Season/Year", "/Season/Year", Phase(Iso(Today.AddDays(20)), made.Id, 0))).Page.Body!.TextContent, StringComparison.Ordinal);
        await coach.PostAsync("/Season/Year", "/Season/Year?handler=Remove", ("id", $"{made.Id}"));
        Assert.DoesNotContain("Sharpen", (await coach.PageAsync("/Season/Year")).Body!.TextContent, StringComparison.Ordinal);
        await coach.PostAsync("/Season/Year", "/Season/Year?handler=Remove", ("id", $"{made.Id}"), ("back", "true"));
        Assert.Contains("Sharpen", (await coach.PageAsync("/Season/Year")).Body!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Lines_are_suggested_around_what_stays_and_undone_in_the_builder()
    {
        var session = await PlanAsync("Half a plan", Monday.AddDays(2), "", "3 x 10 m from prone through 5 m");
        var before = (await SessionAsync(session.Id))!.PlanJson;
        var page = await coach.PageAsync($"/Season/Suggest/Session?session={session.Id}&aim=Acceleration");
        var keep = page.QuerySelector("input[name=keep][checked]")!.GetAttribute("value")!;
        await coach.PostAsync($"/Season/Suggest/Session?session={session.Id}", "/Season/Suggest/Session", ("session", $"{session.Id}"), ("keep", keep), ("aim", "Acceleration"), ("offer", "0"));
        var plan = PlanJson.Read((await SessionAsync(session.Id))!.PlanJson);
        Assert.Contains(plan.Lines, l => l.Start?.Position.ToString() == "Prone");
        Assert.Equal(("Warm-up", "Cool-down"), (plan.Blocks[0].Title, plan.Blocks[^1].Title));
        await coach.PostAsync($"/Sessions/{session.Id}", $"/Sessions/{session.Id}?handler=Undo");
        Assert.Equal(before, (await SessionAsync(session.Id))!.PlanJson);
    }

    [Fact]
    public async Task Any_exercise_is_watched_and_who_was_not_there_has_not_done_it()
    {
        var url = $"/Season/Often?week={Iso(WeekBook.MondayOf(Today))}";
        Assert.Contains("is not among your drills", (await coach.PostAsync(url, url + "&handler=Watch", ("exercise", "Moon walk"), ("least", "1"))).Page.QuerySelector("#exercise ~ .wrong")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("From 0 to 7", (await coach.PostAsync(url, url + "&handler=Watch", ("exercise", "A-skip"), ("least", "9"))).Page.QuerySelector("#least ~ .wrong")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("fewer than the least", (await coach.PostAsync(url, url + "&handler=Watch", ("exercise", "A-skip"), ("least", "3"), ("most", "2"))).Page.QuerySelector("#most ~ .wrong")!.TextContent, StringComparison.Ordinal);
        await coach.PostAsync(url, url + "&handler=Watch", ("exercise", "a-skip"), ("least", "7"));
        await coach.PostAsync(url, url + "&handler=Watch", ("exercise", "A-skip"), ("least", "6"));
        var page = await coach.PageAsync(url);
        var column = page.QuerySelectorAll(".often-table").First().QuerySelectorAll("thead th").Select(h => h.TextContent).ToList().IndexOf("A-skip");
        Assert.Equal("6+", page.QuerySelectorAll(".often-wish").First().Children[column].TextContent);
        Assert.Contains("few", page.QuerySelectorAll(".often-group").First().Children[column].ClassName!, StringComparison.Ordinal);
        Assert.Contains((await BoardAsync(WeekBook.MondayOf(Today))).Groups[0].Week.Watched, w => w.Name == "A-skip");

        // A session of the past week without somebody is a day less for them.
        var last = WeekBook.MondayOf(Today).AddDays(-7);
        var session = await house.InDbAsync(db => db.Sessions.Where(s => s.SquadId == 1 && s.Name == "Tuesday starts" && s.Day >= last && s.Day < last.AddDays(7)).Select(s => s.Id).SingleAsync());
        await house.InDbAsync(db => db.Attendance.Where(a => a.SessionId == session && a.AthleteId == 1).ExecuteUpdateAsync(u => u.SetProperty(a => a.Present, false)));
        await house.InDbAsync(db => db.Attendance.Where(a => a.SessionId == session && a.AthleteId == 2).ExecuteUpdateAsync(u => u.SetProperty(a => a.Present, true)));
        var board = await BoardAsync(last);
        int Done(int athlete) => HowOften.Count(board.Groups[0].Week, s => board.Present[s.Id].Contains(athlete)).Single(c => c.Thing.Key == "starts").Done;
        Assert.True(board.Present[session].Contains(2) && !board.Present[session].Contains(1));
        Assert.True(Done(1) < HowOften.Count(board.Groups[0].Week).Single(c => c.Thing.Key == "starts").Done);
        await coach.PostAsync(url, url + "&handler=Forget", ("exercise", "A-skip"));
        Assert.Empty(await house.InDbAsync(db => db.OftenWishes.ToListAsync()));
    }

    [Fact]
    public async Task A_club_that_has_nothing_yet_is_led_on()
    {
        await using var empty = await TestHouse.OpenAsync();
        var owner = await empty.CoachAsync();
        Assert.Contains("The squad is empty", (await owner.PageAsync("/Season")).Body!.TextContent, StringComparison.Ordinal);
        Assert.Contains("When and where can you train?", (await owner.PageAsync("/Season/Suggest")).Body!.TextContent, StringComparison.Ordinal);
        Assert.Contains("Nothing entered yet", (await owner.PageAsync("/Season/Calendar")).Body!.TextContent, StringComparison.Ordinal);
        foreach (var url in new[] { "/Season/Year", "/Season/Year?weeks=4", "/Season/Compare", "/Season/Print", "/Season/Suggest/Session", "/Sessions", "/" })
        {
            await owner.PageAsync(url);
        }
    }
}
