using System.Net;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Web.Tests;

/// <summary>Two people at once, and things sent twice: nothing is lost, nothing is put back, nothing is done twice.</summary>
public sealed class TwoHandsTests : IAsyncLifetime
{
    private const string Plan = "/Sessions/49";
    private const string Url = "/Sessions/49/Trackside";
    private TestHouse house = null!;
    private Visitor coach = null!;

    public async ValueTask InitializeAsync()
    {
        house = await TestHouse.OpenAsync(demo: true);
        coach = await house.CoachAsync();
    }

    public ValueTask DisposeAsync() => house.DisposeAsync();

    private Task<TrainingSession> SessionAsync() => house.InDbAsync(db => db.Sessions.AsNoTracking().SingleAsync(s => s.Id == 49));

    private Task<List<Run>> RunsAsync() => house.InDbAsync(db => db.Runs.Include(r => r.Marks).Include(r => r.Readings).Where(r => r.SessionId == 49).OrderBy(r => r.Id).ToListAsync());

    private async Task<int> StartAsync()
    {
        await coach.PostAsync(Url, Url + "?handler=Start", [.. Enumerable.Range(1, 6).Select(i => ("here", $"{i}"))]);
        var fly = PlanJson.Read((await SessionAsync()).RanPlanJson!).Lines.Single(l => l.Kind == WorkKind.MaxVelocity).Id;
        await Do("Line", ("line", $"{fly}"));
        return fly;
    }

    private Task<(HttpStatusCode Code, AngleSharp.Dom.IDocument Page, HttpResponseMessage Response)> Do(string handler, params (string, string)[] fields) => coach.PostAsync(Url, $"{Url}?handler={handler}", fields);

    [Fact]
    public async Task Lines_added_by_many_at_the_same_moment_are_all_there_each_with_its_version()
    {
        var before = PlanJson.Read((await SessionAsync()).PlanJson).Lines.Count();
        var token = (await coach.PageAsync(Plan)).QuerySelector("meta[name=form-token]")!.GetAttribute("content")!;
        var all = await Task.WhenAll(Enumerable.Range(11, 6).Select(i => coach.SendAsync(Plan + "?handler=Add", token, ("text", $"3 x {i} m"))));
        Assert.All(all, a => Assert.Equal(HttpStatusCode.OK, a.Code));
        var session = await SessionAsync();
        var lines = PlanJson.Read(session.PlanJson).Lines.ToList();
        Assert.Equal(Enumerable.Range(11, 6).Select(i => $"3 x {i} m"), lines.Skip(before).Select(l => ShorthandPrinter.Print(l)).Order());
        Assert.Equal(6, session.Revision);
        Assert.Equal(Enumerable.Range(0, 7), await house.InDbAsync(db => db.PlanRevisions.Where(r => r.SessionId == 49).OrderBy(r => r.Number).Select(r => r.Number).ToListAsync()));

        // Every one can be taken back, one after the other.
        foreach (var left in Enumerable.Range(0, 6).Reverse())
        {
            await coach.PostAsync(Plan, Plan + "?handler=Undo");
            Assert.Equal(before + left, PlanJson.Read((await SessionAsync()).PlanJson).Lines.Count());
        }
    }

    private async Task<(string, string)[]> SettingsAsync()
    {
        var form = (await coach.PageAsync(Plan)).QuerySelector("form[action*=Settings]")!;
        return [.. form.QuerySelectorAll("input[name=opened], input[name^=Input], select[name^=Input]").Select(e => (e.GetAttribute("name")!, e is AngleSharp.Html.Dom.IHtmlSelectElement select ? select.Value ?? "" : ((AngleSharp.Html.Dom.IHtmlInputElement)e).Value))];
    }

    private Task<(HttpStatusCode Code, AngleSharp.Dom.IDocument Page, HttpResponseMessage Response)> SettleAsync((string Name, string Value)[] opened, params (string Name, string Value)[] changed) =>
        coach.PostAsync(Plan, Plan + "?handler=Settings", [.. opened.Select(o => changed.FirstOrDefault(c => c.Name == o.Name) is { Name: not null } mine ? mine : o)]);

    [Fact]
    public async Task A_settings_form_that_lay_open_puts_no_old_value_back()
    {
        var mine = await SettingsAsync();
        var theirs = mine;
        Assert.Equal(HttpStatusCode.Redirect, (await SettleAsync(theirs, ("Input.Lanes", "5"), ("Input.Cue", "Push the ground away"))).Code);

        // What was left alone here stays as the other set it; what was changed here is taken.
        Assert.Equal(HttpStatusCode.Redirect, (await SettleAsync(mine, ("Input.WindowMinutes", "75"))).Code);
        var session = await SessionAsync();
        Assert.Equal((5, 75, "Push the ground away"), (session.Lanes, session.WindowMinutes, session.Cue));

        // Both changed the same to different things: told beside the field, nothing stored, and saving again decides.
        var asked = await SettleAsync(mine, ("Input.Lanes", "3"), ("Input.WindowMinutes", "75"));
        Assert.Equal(HttpStatusCode.OK, asked.Code);
        Assert.Contains("Changed meanwhile by somebody else to “5”", asked.Page.QuerySelector("[data-valmsg-for='Input.Lanes']")!.TextContent);
        Assert.Equal("3", asked.Page.QuerySelector("input[name='Input.Lanes']")!.GetAttribute("value"));
        Assert.Equal("Push the ground away", asked.Page.QuerySelector("input[name='Input.Cue']")!.GetAttribute("value"));
        Assert.Equal(5, (await SessionAsync()).Lanes);
        (string, string)[] again = [.. asked.Page.QuerySelectorAll("form[action*=Settings] input[name=opened], form[action*=Settings] [name^=Input]").Select(e => (e.GetAttribute("name")!, e is AngleSharp.Html.Dom.IHtmlSelectElement select ? select.Value ?? "" : ((AngleSharp.Html.Dom.IHtmlInputElement)e).Value))];
        Assert.Equal(HttpStatusCode.Redirect, (await SettleAsync(again)).Code);
        session = await SessionAsync();
        Assert.Equal((3, 75, "Push the ground away"), (session.Lanes, session.WindowMinutes, session.Cue));
    }

    [Fact]
    public async Task What_was_allowed_before_pain_was_noted_again_lifts_nothing()
    {
        await StartAsync();
        string State(AngleSharp.Dom.IDocument page) => page.QuerySelector("li[data-athlete='1']")!.GetAttribute("data-state")!;
        await Do("Hold", ("athlete", "1"), ("reason", "calf"));
        var open = (await coach.PageAsync(Url)).QuerySelector("li[data-athlete='1']")!.GetAttribute("data-holds")!;
        Assert.Equal("ready", State((await Do("Allow", ("athlete", "1"), ("by", "Dr Osei"), ("holds", open))).Page));
        await Do("Hold", ("athlete", "1"), ("reason", "calf"));
        var stale = (await Do("Allow", ("athlete", "1"), ("by", "Dr Osei"), ("holds", open))).Page;
        Assert.Equal("held", State(stale));
        Assert.Contains("Pain was noted meanwhile: calf", stale.QuerySelector("#t-person .wrong[role=alert]")!.TextContent);
    }

    [Fact]
    public async Task A_command_that_is_sent_twice_is_done_once()
    {
        await StartAsync();
        var hold = ("client", $"{Guid.NewGuid()}");
        await Do("Hold", hold, ("athlete", "1"), ("reason", "calf"));
        await Do("Allow", ("athlete", "1"), ("by", "Dr Osei"), ("holds", "1"));

        // Its answer was lost, so the device sends it again, after somebody has allowed what it held.
        var page = (await Do("Hold", hold, ("athlete", "1"), ("reason", "calf"))).Page;
        Assert.Equal("ready", page.QuerySelector("li[data-athlete='1']")!.GetAttribute("data-state"));
        var later = ("client", $"{Guid.NewGuid()}");
        await Do("Later", later, ("athlete", "2"));
        await Do("Later", ("client", $"{Guid.NewGuid()}"), ("athlete", "3"));
        await Do("Later", later, ("athlete", "2"));
        var order = await house.InDbAsync(db => db.Attendance.Where(a => a.SessionId == 49 && a.Present).OrderBy(a => a.Order).Select(a => a.AthleteId).ToListAsync());
        Assert.Equal([2, 3], order.TakeLast(2));
    }

    [Fact]
    public async Task What_gates_reported_is_one_run_of_one_athlete()
    {
        var fly = await StartAsync();
        await house.InDbAsync(async db =>
        {
            db.GateReadings.Add(new() { ClientId = Guid.NewGuid(), SessionId = 49, At = DateTime.UtcNow, PassesJson = """[{"Gate":0,"Milliseconds":0},{"Gate":1,"Milliseconds":3290},{"Gate":2,"Milliseconds":4400}]""" });
            return await db.SaveChangesAsync();
        });
        var gate = ("gate", (await coach.PageAsync(Url)).QuerySelector("input[name=gate]")!.GetAttribute("value")!);
        Task<(HttpStatusCode Code, AngleSharp.Dom.IDocument Page, HttpResponseMessage Response)> Save(int athlete, params (string, string)[] more) =>
            Do("Save", [("client", $"{Guid.NewGuid()}"), ("athlete", $"{athlete}"), ("line", $"{fly}"), ("rep", "1"), ("mark", "3.29"), ("mark", "4.40"), gate, .. more]);

        Assert.Equal("stored", (await Save(1)).Response.Headers.GetValues("Entry-State").Single());

        // The other device shows the same report: for the same athlete it is that run, for another one it is asked about.
        await Save(1);
        Assert.Empty(Assert.Single(await RunsAsync()).Readings);
        var asked = await Save(2);
        Assert.Equal("asked", asked.Response.Headers.GetValues("Entry-State").Single());
        Assert.Contains("in the book for somebody else already", asked.Page.QuerySelector(".t-doubt")!.TextContent);
        Assert.Single(await RunsAsync());
        await Save(2, ("overrule", "true"));
        Assert.Equal([1, 2], (await RunsAsync()).Select(r => r.AthleteId));
    }

    [Fact]
    public async Task Two_runs_read_by_two_people_keep_what_both_read()
    {
        var fly = await StartAsync();
        await house.InDbAsync(db => db.Sessions.Where(s => s.Id == 49).ExecuteUpdateAsync(u => u.SetProperty(s => s.StartedAt, DateTime.UtcNow.AddMinutes(-30))));
        var first = DateTime.UtcNow.AddMinutes(-20);
        async Task Save(string last, double minutes) => await Do(
            "Save", ("client", $"{Guid.NewGuid()}"), ("athlete", "1"), ("line", $"{fly}"), ("rep", "1"), ("overrule", "true"), ("mark", "3.30"), ("mark", last),
            ("at", new DateTimeOffset(first.AddMinutes(minutes)).ToUnixTimeMilliseconds().ToString(System.Globalization.CultureInfo.InvariantCulture)));
        await Save("4.40", 0);
        await Save("4.42", 0.2);
        await Save("4.50", 5);
        await Save("4.52", 5.2);
        var run = Assert.Single(await RunsAsync());
        Assert.Contains("far apart", run.Conflict);
        await Do($"Pick&run={run.Id}", ("what", "two"));
        var both = await RunsAsync();
        Assert.Equal([(1, 4.41), (2, 4.51)], both.Select(r => (r.Rep, r.Marks.Max(m => m.Seconds))));
        Assert.All(both, r => Assert.Equal((2, null), (r.Readings.Count, r.Conflict)));
        Assert.Equal(HttpStatusCode.NotFound, (await Do($"Pick&run={run.Id}", ("what", "three"))).Code);
        Assert.Equal(2, (await RunsAsync()).Count);
    }

    private async Task<(HttpStatusCode Code, AngleSharp.Dom.IDocument Page, HttpResponseMessage Response)> SendAsync(string page, AngleSharp.Dom.IDocument opened, params (string Name, string Value)[] changed)
    {
        var form = opened.QuerySelector("form:has([name^=Input]), form:has([name=opened])")!;
        var fields = form.QuerySelectorAll("input[name], select[name], textarea[name]").Where(e => !e.GetAttribute("name")!.StartsWith("__", StringComparison.Ordinal) && e is not AngleSharp.Html.Dom.IHtmlInputElement { Type: "radio" or "checkbox", IsChecked: false })
            .Select(e => (Name: e.GetAttribute("name")!, Value: e switch { AngleSharp.Html.Dom.IHtmlSelectElement s => s.Value ?? "", AngleSharp.Html.Dom.IHtmlTextAreaElement t => t.Value, _ => ((AngleSharp.Html.Dom.IHtmlInputElement)e).Value }));
        return await coach.PostAsync(page, page, [.. fields.Where(f => changed.All(c => c.Name != f.Name)), .. changed]);
    }

    [Fact]
    public async Task An_athletes_form_that_lay_open_lifts_no_pain_noted_meanwhile()
    {
        await StartAsync();
        var page = "/Athletes/Edit?id=1";
        var open = await coach.PageAsync(page);
        await Do("Hold", ("athlete", "1"), ("reason", "calf"));
        Assert.Equal(HttpStatusCode.Redirect, (await SendAsync(page, open, ("Input.Position", "Left wing"))).Code);
        var athlete = await house.InDbAsync(db => db.Athletes.SingleAsync(a => a.Id == 1));
        Assert.Equal(("Left wing", Availability.Modified), (athlete.Position, athlete.Availability));
        Assert.Contains("calf", athlete.AvailabilityReason);

        // Saying something else about it from a stale form is told first.
        var asked = await SendAsync(page, open, ("Input.Availability", "Out"), ("Input.AvailabilityReason", "ankle"), ("Input.AvailabilitySaidBy", "Dr Osei"));
        Assert.Contains("Changed meanwhile by somebody else", asked.Page.QuerySelector("[data-valmsg-for='Input.Availability']")!.TextContent);
        Assert.Equal(Availability.Modified, (await house.InDbAsync(db => db.Athletes.SingleAsync(a => a.Id == 1))).Availability);
        Assert.Equal(HttpStatusCode.Redirect, (await SendAsync(page, asked.Page)).Code);
        Assert.Equal(Availability.Out, (await house.InDbAsync(db => db.Athletes.SingleAsync(a => a.Id == 1))).Availability);
    }

    [Fact]
    public async Task A_drill_that_lay_open_puts_no_old_value_back()
    {
        var page = "/Drills/Edit?of=A-skip";
        var open = await coach.PageAsync(page);
        await SendAsync(page, open, ("Input.Dose", "3 x 12 m"), ("Input.Effort", "65"));
        Assert.Equal(HttpStatusCode.Redirect, (await SendAsync(page, open, ("Input.For", "Rhythm first."))).Code);
        async Task<Exercise> NowAsync() => ExerciseJson.Read((await house.InDbAsync(db => db.ClubExercises.SingleAsync(e => e.Name == "A-skip"))).Json!);
        var kept = await NowAsync();
        Assert.Equal(("3 x 12 m", 65.0, "Rhythm first."), (kept.Dose, kept.Effort, kept.For));
        var asked = await SendAsync(page, open, ("Input.Dose", "4 x 10 m"));
        Assert.Contains("Changed meanwhile by somebody else to “3 x 12 m”", asked.Page.QuerySelector("[data-valmsg-for='Input.Dose']")!.TextContent);
        Assert.Equal("3 x 12 m", (await NowAsync()).Dose);
        Assert.Equal(HttpStatusCode.Redirect, (await SendAsync(page, asked.Page, ("Input.Dose", "4 x 10 m"))).Code);
        Assert.Equal("4 x 10 m", (await NowAsync()).Dose);
    }

    [Fact]
    public async Task A_school_that_lay_open_puts_no_old_number_back()
    {
        await coach.PostAsync("/Settings/Schools", "/Settings/Schools?handler=Copy", ("name", "Full rest, light loads"));
        var name = await house.InDbAsync(db => db.ClubSchools.Select(s => s.Name).SingleAsync());
        var page = "/Settings/School?name=" + Uri.EscapeDataString(name);
        var open = await coach.PageAsync(page);
        await SendAsync(page, open, ("value-rest.free", "75"), ("reason-rest.free", "Cold hall."));
        Assert.Equal(HttpStatusCode.Redirect, (await SendAsync(page, open, ("value-stop.share", "96"))).Code);
        async Task<Core.School.CoachingSchool> NowAsync() => Core.School.CoachingSchool.FromJson(await house.InDbAsync(db => db.ClubSchools.Select(s => s.Json).SingleAsync()));
        var kept = await NowAsync();
        Assert.Equal((75.0, 96.0, "Cold hall."), (kept["rest.free"], kept["stop.share"], kept.Of("rest.free").Reason));
        var asked = (await SendAsync(page, open, ("value-rest.free", "90"))).Page;
        Assert.Contains(asked.QuerySelectorAll(".wrong"), w => w.TextContent.Contains("Changed meanwhile by somebody else to “75”", StringComparison.Ordinal));
        Assert.Equal(75, (await NowAsync())["rest.free"]);
        Assert.Contains(((await SendAsync(page, asked, ("value-rest.free", "nine"))).Page).QuerySelectorAll(".wrong"), w => w.TextContent == "From 5 to 180.");
        Assert.Equal(HttpStatusCode.Redirect, (await SendAsync(page, asked, ("value-rest.free", "90"))).Code);
        Assert.Equal(90, (await NowAsync())["rest.free"]);
    }

    [Fact]
    public async Task Club_settings_that_lay_open_put_no_old_value_back()
    {
        var open = await coach.PageAsync("/Settings");
        await SendAsync("/Settings", open, ("Input.Name", "Northquay Athletics"));
        Assert.Equal(HttpStatusCode.Redirect, (await SendAsync("/Settings", open, ("Input.DistanceUnit", "Yard"))).Code);
        var club = await house.InDbAsync(db => db.Clubs.SingleAsync());
        Assert.Equal(("Northquay Athletics", Core.Units.DistanceUnit.Yard), (club.Name, club.DistanceUnit));
        Assert.Contains("somebody else", (await SendAsync("/Settings", open, ("Input.Name", "Third name"))).Page.QuerySelector("[data-valmsg-for='Input.Name']")!.TextContent);
    }

    [Fact]
    public async Task A_run_can_be_given_to_another_athlete_and_two_can_be_swapped()
    {
        var fly = await StartAsync();
        Task Save(int athlete, int rep, string last) => Do("Save", ("client", $"{Guid.NewGuid()}"), ("athlete", $"{athlete}"), ("line", $"{fly}"), ("rep", $"{rep}"), ("overrule", "true"), ("mark", "3.30"), ("mark", last));
        await Save(1, 1, "4.40");
        await Save(2, 1, "4.50");
        await Save(2, 2, "4.60");
        var runs = await RunsAsync();
        string Text(IEnumerable<Run> all) => string.Join(" ", all.OrderBy(r => r.Marks.Max(m => m.Seconds)).Select(r => $"{r.AthleteId}.{r.Rep}"));
        var page = $"/Sessions/49/Runs/{runs[0].Id}";
        Assert.Equal(3, (await coach.PageAsync(Url)).QuerySelectorAll(".t-latest li").Length);

        Assert.Equal(HttpStatusCode.Redirect, (await coach.PostAsync(page, page + "?handler=Swap", ("other", $"{runs[2].Id}"))).Code);
        Assert.Equal("2.2 2.1 1.1", Text(await RunsAsync()));

        // Somebody who has that rep already gets it as the next one, and its times are theirs.
        Assert.Equal(HttpStatusCode.Redirect, (await coach.PostAsync(page, page + "?handler=Move", ("athlete", "3"))).Code);
        page = $"/Sessions/49/Runs/{runs[1].Id}";
        await coach.PostAsync(page, page + "?handler=Move", ("athlete", "1"));
        Assert.Equal("3.2 1.2 1.1", Text(await RunsAsync()));
        Assert.Equal([1, 3], await house.InDbAsync(db => db.RunStretches.Where(s => runs.Select(r => r.Id).Contains(s.RunId)).Select(s => s.AthleteId).Distinct().Order().ToListAsync()));
        Assert.Equal(HttpStatusCode.NotFound, (await coach.PostAsync(page, page + "?handler=Move", ("athlete", "999"))).Code);
        Assert.Equal(HttpStatusCode.NotFound, (await coach.PostAsync(page, page + "?handler=Swap", ("other", $"{runs[1].Id}"))).Code);
        Assert.Contains("4.50", (await coach.PageAsync(page)).QuerySelector(".section table.rows")!.TextContent);
    }

    [Fact]
    public async Task What_is_seen_on_a_drill_reaches_review_message_and_athlete()
    {
        await StartAsync();
        var plan = PlanJson.Read((await SessionAsync()).RanPlanJson!);
        var drill = plan.Lines.First(l => l.Kind == WorkKind.Drill).Id;
        await Do("Line", ("line", $"{drill}"));
        var open = await coach.PageAsync(Url);
        Assert.NotEmpty(open.QuerySelectorAll("#t-note button[name=seen]"));
        Assert.Equal("1", open.QuerySelector("li[data-athlete='1'] [data-see]")!.GetAttribute("data-see"));
        await Do("Outcome&what=NotTimed", ("client", $"{Guid.NewGuid()}"), ("athlete", "1"), ("line", $"{drill}"), ("seen", "reached"), ("seen", "heavy legs today"));
        Assert.Contains("Reached in front", (await coach.PageAsync(Url)).QuerySelector("#t-word")!.TextContent);
        await Do("End");
        var review = (await coach.PageAsync("/Sessions/49/Review")).Body!.TextContent;
        Assert.Contains("heavy legs today", review);
        Assert.Contains("Noted: heavy legs today.", review);
        var athlete = (await coach.PageAsync("/Athletes/1")).Body!.TextContent;
        Assert.Contains("heavy legs today", athlete);
        Assert.Contains("Reached in front", athlete);
    }

    [Fact]
    public async Task A_list_of_names_is_added_in_one_go_and_can_be_taken_back()
    {
        var squad = await house.InDbAsync(db => db.Squads.OrderBy(s => s.Id).Select(s => s.Id).FirstAsync());
        var known = await house.InDbAsync(db => db.Athletes.Where(a => a.SquadId == squad).Select(a => a.Name).FirstAsync());
        var added = await coach.PostAsync("/Athletes", "/Athletes?handler=AddMany", ("squad", $"{squad}"), ("names", $"1. Mei Lin\r\n- Osei, Kwame\n{known.ToUpperInvariant()}\n\nMei Lin"));
        Assert.Contains("2 athletes added; 1 was here already.", added.Page.Body!.TextContent);
        Assert.Equal(["Kwame Osei", "Mei Lin"], await house.InDbAsync(db => db.Athletes.Where(a => a.Name == "Mei Lin" || a.Name == "Kwame Osei").Select(a => a.Name).Order().ToListAsync()));
        await coach.PostAsync("/Athletes", "/Athletes?handler=TakeBack", [.. added.Page.QuerySelectorAll("input[name=ids]").Select(i => ("ids", i.GetAttribute("value")!))]);
        Assert.Equal(0, await house.InDbAsync(db => db.Athletes.CountAsync(a => a.RetiredAt == null && (a.Name == "Mei Lin" || a.Name == "Kwame Osei"))));
        Assert.Contains("at least one name", (await coach.PostAsync("/Athletes", "/Athletes?handler=AddMany", ("squad", $"{squad}"), ("names", " "))).Page.Body!.TextContent);
        var wrong = (await coach.PostAsync("/Athletes", "/Athletes?handler=AddMany", ("squad", $"{squad}"), ("names", "Ada\n" + new string('x', 81)))).Page;
        Assert.Contains("nobody was added", wrong.Body!.TextContent);
        Assert.StartsWith("Ada", wrong.QuerySelector("#names")!.TextContent);
    }

    [Fact]
    public async Task A_timer_lifts_no_hold_and_writes_into_no_ended_session()
    {
        var fly = await StartAsync();
        var timer = await house.PersonAsync("Ravi at the gate", Roles.Timer);
        var open = await timer.PageAsync(Url);
        var token = open.QuerySelector("meta[name=form-token]")!.GetAttribute("content")!;
        async Task<HttpStatusCode> Try(string handler, params (string, string)[] fields) => (await timer.SendAsync($"{Url}?handler={handler}", token, fields)).Code;
        (string, string)[] Rep(int athlete, DateTime at) => [("client", $"{Guid.NewGuid()}"), ("athlete", $"{athlete}"), ("line", $"{fly}"), ("rep", "1"), ("overrule", "true"), ("mark", "3.30"), ("mark", "4.40"), ("at", new DateTimeOffset(at).ToUnixTimeMilliseconds().ToString(System.Globalization.CultureInfo.InvariantCulture))];

        Assert.Equal(HttpStatusCode.OK, await Try("Hold", ("athlete", "1"), ("reason", "calf")));
        Assert.Empty(open.QuerySelectorAll("form[action*=Allow]"));
        Assert.NotEqual(HttpStatusCode.OK, await Try("Allow", ("athlete", "1"), ("by", "me"), ("holds", "1")));
        Assert.Equal("", await house.InDbAsync(db => db.Attendance.Where(a => a.SessionId == 49 && a.AthleteId == 1).Select(a => a.AllowedBy).SingleAsync()));
        Assert.NotEqual(HttpStatusCode.OK, await Try("Nothing"));

        var seen = DateTime.UtcNow;
        await Do("End");

        // What was timed before the end and waited for a signal still comes in; nothing else does.
        await Try("Save", Rep(2, seen));
        Assert.Equal(2, Assert.Single(await RunsAsync()).AthleteId);
        Assert.NotEqual(HttpStatusCode.OK, await Try("Save", Rep(3, DateTime.UtcNow.AddSeconds(2))));
        Assert.NotEqual(HttpStatusCode.OK, await Try("Done", ("athlete", "2")));
        var run = Assert.Single(await RunsAsync());
        Assert.NotEqual(HttpStatusCode.OK, await Try($"Undo&run={run.Id}"));
        Assert.NotEqual(HttpStatusCode.OK, (await timer.SendAsync($"/Sessions/49/Runs/{run.Id}", token, ("mark", "3.20"), ("mark", "4.30"), ("overrule", "true"))).Code);
        Assert.Equal(4.40, Assert.Single(await RunsAsync()).Marks.Max(m => m.Seconds));
    }

    [Fact]
    public async Task A_list_of_names_for_a_squad_that_is_gone_is_kept_and_asked_about()
    {
        var page = (await coach.PostAsync("/Athletes", "/Athletes?handler=AddMany", ("squad", "999"), ("names", "Ada Quillfeather"))).Page;
        Assert.Contains("not there any more", page.Body!.TextContent);
        Assert.Equal("Ada Quillfeather", page.QuerySelector("textarea[name=names]")!.TextContent.Trim());
    }
}
