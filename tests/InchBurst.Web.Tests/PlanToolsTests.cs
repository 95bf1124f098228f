using System.Net;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Live;
using InchBurst.Core.Make;
using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;
using InchBurst.Data;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

namespace InchBurst.Web.Tests;

/// <summary>Fields, rounds, pasting, the warm-up maker, the shelf, versions and the catalogue, through the interface.</summary>
public sealed class PlanToolsTests : IAsyncLifetime
{
    private const string Url = "/Sessions/49";
    private TestHouse house = null!;
    private Visitor coach = null!;

    public async ValueTask InitializeAsync()
    {
        house = await TestHouse.OpenAsync(demo: true);
        coach = await house.CoachAsync();
    }

    public ValueTask DisposeAsync() => house.DisposeAsync();

    private Task<SessionPlan> PlanAsync(int id = 49) => house.InDbAsync(async db => PlanJson.Read((await db.Sessions.SingleAsync(s => s.Id == id)).PlanJson));

    private async Task<AngleSharp.Dom.IDocument> DoAsync(string handler, params (string, string)[] fields)
    {
        var (code, page, _) = await coach.PostAsync(Url, $"{Url}?handler={handler}", fields);
        Assert.Equal(HttpStatusCode.OK, code);
        return page;
    }

    private static (string, string)[] Fields(AngleSharp.Dom.IDocument page, params (string Name, string Value)[] changed)
    {
        var form = page.QuerySelector("form.fields[id^=fields]")!;
        var fields = form.QuerySelectorAll("input[name], select[name]").Where(e => !e.HasAttribute("disabled") && e.GetAttribute("name") != "__RequestVerificationToken" && (e.GetAttribute("type") != "checkbox" || e.HasAttribute("checked")))
            .Select(e => (Name: e.GetAttribute("name")!, Value: e is AngleSharp.Html.Dom.IHtmlSelectElement s ? s.Value ?? "" : e.GetAttribute("value") ?? "")).ToList();
        foreach (var (name, value) in changed)
        {
            var at = fields.FindIndex(f => f.Name == name);
            if (at >= 0)
            {
                fields[at] = (name, value);
            }
            else
            {
                fields.Add((name, value));
            }
        }

        return [.. fields];
    }

    [Fact]
    public async Task Fields_show_the_line_and_a_change_in_them_rewrites_it()
    {
        var line = (await PlanAsync()).Lines.Single(l => l.Kind == WorkKind.MaxVelocity);
        var page = await coach.PageAsync($"{Url}?line={line.Id}");
        Assert.Equal("3", page.QuerySelector("#x-reps")!.GetAttribute("value"));
        Assert.Equal(["20", "10", "20", ""], page.QuerySelectorAll("[name=SegmentAmount]").Select(e => e.GetAttribute("value")));

        var after = await DoAsync($"Fields&line={line.Id}", Fields(page, ("Reps", "4"), ("Rest", "5:00"), ("EachSide", "true"), ("For", "low minutes"), ("Cue", "stay loose")));
        Assert.Equal("4 x 20 build + 10 fly + 20 m slow each side @100% rest 5:00 for low minutes cue \"stay loose\"", after.QuerySelector("#edit-text")!.GetAttribute("value"));
        Assert.Equal(4, (await PlanAsync()).Line(line.Id)!.Reps);

        // A part is added by typing into the empty one, taken out by clearing it.
        var parts = Fields(after).ToList();
        var amounts = parts.Select((p, i) => (p, i)).Where(x => x.p.Item1 == "SegmentAmount").Select(x => x.i).ToList();
        parts[amounts[3]] = ("SegmentAmount", "5");
        parts[amounts[0]] = ("SegmentAmount", "");
        await DoAsync($"Fields&line={line.Id}", [.. parts]);
        Assert.Equal("10 fly + 20 slow + 5 m", ShorthandPrinter.ShapeText((await PlanAsync()).Line(line.Id)!.Shape));
    }

    [Fact]
    public async Task A_wrong_field_is_told_beside_it_and_keeps_what_was_typed()
    {
        var line = (await PlanAsync()).Lines.Single(l => l.Kind == WorkKind.MaxVelocity);
        var page = await coach.PageAsync($"{Url}?line={line.Id}");
        foreach (var (field, value, words) in new[] { ("Reps", "many", "“many”"), ("Rest", "2", "2:00"), ("Effort", "900", "0 to 120"), ("Gates", "99", "beyond the end"), ("Load", "sled 12", "How heavy"), ("Reps", "0", "1 to 100") })
        {
            var after = await DoAsync($"Fields&line={line.Id}", Fields(page, (field, value)));
            var input = after.QuerySelector($"[name={field}]")!;
            Assert.Equal(value, input.GetAttribute("value"));
            Assert.Contains(words, input.ParentElement!.QuerySelector(".wrong")!.TextContent);
        }

        Assert.Equal(ShorthandPrinter.Print(line), ShorthandPrinter.Print((await PlanAsync()).Line(line.Id)!));
    }

    [Fact]
    public async Task Rounds_pairs_and_several_lines_at_once()
    {
        await DoAsync("Add", ("text", "3 rounds rest 2:00: squat 3 reps; broad jump 3 reps"));
        var pair = (await PlanAsync()).Blocks[^1];
        Assert.Equal(("Pair", 3, 2), (pair.Title, pair.Rounds, pair.Lines.Count));
        var bad = await DoAsync($"Block&block={pair.Id}", ("title", "Pair"), ("rounds", "99"), ("rest", "3:00"));
        Assert.Contains("From 1 to 20 rounds", bad.QuerySelector(".block-edit .wrong")!.TextContent);
        await DoAsync($"Block&block={pair.Id}", ("title", "Lift: and jump"), ("rounds", "4"), ("rest", "3:00"));
        var changed = (await PlanAsync()).Blocks[^1];
        Assert.Equal(("Lift and jump", 4, 180.0), (changed.Title, changed.Rounds, changed.RoundRestSeconds));
        await DoAsync($"Split&block={pair.Id}");
        Assert.Single((await PlanAsync()).Blocks[^1].Lines);
        await DoAsync($"Join&block={(await PlanAsync()).Blocks[^1].Id}");
        Assert.Equal(2, (await PlanAsync()).Blocks[^1].Lines.Count);

        var plan = await PlanAsync();
        var last = plan.Lines.TakeLast(2).Select(l => ("lines", $"{l.Id}")).ToArray();
        await DoAsync("Several&what=copy", last);
        Assert.Equal(plan.Lines.Count() + 2, (await PlanAsync()).Lines.Count());
        var page = await DoAsync("Several&what=remove", last);
        Assert.Contains("2 lines removed", page.QuerySelector(".toast-bar")!.TextContent);
        await DoAsync("Undo");
        Assert.Equal(plan.Lines.Count() + 2, (await PlanAsync()).Lines.Count());
    }

    [Fact]
    public async Task A_pasted_session_is_added_whole_or_not_at_all()
    {
        var before = (await PlanAsync()).Lines.Count();
        var bad = await DoAsync("Paste", ("text", "4 x 20 m\r\n4 x 20 m rset 2:00\r\n"));
        Assert.Contains("row 2", bad.Body!.TextContent);
        Assert.Contains("4 x 20 m rset 2:00", bad.QuerySelector("#paste-text")!.TextContent);
        Assert.Equal(before, (await PlanAsync()).Lines.Count());
        var good = await DoAsync("Paste", ("text", "Main part, 2 rounds:\r\n4 x 20 m\r\npogos 10\r\n"));
        Assert.Contains("2 lines added", good.Body!.TextContent);
        Assert.Equal(2, (await PlanAsync()).Blocks[^1].Rounds);
        // What is copied out can be pasted in again.
        var text = good.QuerySelector("#copy-text")!.TextContent;
        var blocks = (await PlanAsync()).Blocks.Count;
        await DoAsync("Paste", ("text", text));
        Assert.Equal(blocks * 2, (await PlanAsync()).Blocks.Count);
    }

    [Fact]
    public async Task A_warm_up_is_made_in_place_rolled_line_by_line_and_undone()
    {
        var before = (await PlanAsync()).Blocks[0].Lines[0].Exercise;
        var page = await DoAsync("WarmUp", ("minutes", "16"), ("day", "TopSpeed"), ("court", "false"), ("flow", "false"));
        var plan = await PlanAsync();
        Assert.Equal("Warm-up", plan.Blocks[0].Title);
        Assert.Equal(1, plan.Blocks.Count(b => b.Title == "Warm-up"));
        Assert.Equal("build-up", plan.Blocks[0].Lines[^1].Exercise);
        Assert.StartsWith("1", page.QuerySelector(".block-title .muted")!.TextContent);
        var mobilise = plan.Blocks[0].Lines.First(l => ExerciseCatalogue.BuiltIn.Find(l.Exercise)!.Family == "mobilise");
        await DoAsync($"Reroll&line={mobilise.Id}");
        Assert.NotEqual(mobilise.Exercise, (await PlanAsync()).Line(mobilise.Id)!.Exercise);
        await DoAsync("Undo");
        await DoAsync("Undo");
        Assert.Equal(before, (await PlanAsync()).Blocks[0].Lines[0].Exercise);
        var shortest = await DoAsync("WarmUp", ("minutes", "3"), ("day", "Mixed"), ("court", "true"), ("flow", "true"));
        Assert.Contains("this one has 10", shortest.QuerySelector(".toast-bar")!.TextContent);
    }

    [Fact]
    public async Task The_shelf_copies_and_versions_bring_plans_back()
    {
        await coach.PostAsync(Url, $"{Url}?handler=Keep", ("name", "Our Thursday"));
        var form = await coach.PageAsync("/Sessions/New?from=ready-1");
        Assert.Equal("Top-speed day", form.QuerySelector("#Input_Name")!.GetAttribute("value"));
        Assert.Contains("Our Thursday", form.QuerySelector("#from")!.TextContent);
        // The demo's sessions all used one cue, so another is offered.
        Assert.Equal(CueRotation.All[0].Words, form.QuerySelector("#Input_Cue")!.GetAttribute("value"));
        (string, string)[] common = [("Input.Day", "2026-12-03"), ("Input.SquadId", "1"), ("Input.Lanes", "2"), ("Input.WindowMinutes", "60"), ("Input.Straight", "60"), ("Input.RunOut", "20")];
        foreach (var (from, first) in new[] { ("ready-1", "raise"), ("kept-1", (await PlanAsync()).Lines.First().Exercise!), ("session-49", (await PlanAsync()).Lines.First().Exercise!) })
        {
            var made = await coach.PostAsync("/Sessions/New", "/Sessions/New", [("Input.Name", "Copy"), ("from", from), .. common]);
            var id = int.Parse(made.Response.Headers.Location!.ToString().Split('/')[^1], System.Globalization.CultureInfo.InvariantCulture);
            Assert.Equal(first, (await PlanAsync(id)).Lines.First().Exercise);
        }

        var before = PlanJson.Write(await PlanAsync());
        await DoAsync("Add", ("text", "4 x 20 m"));
        await DoAsync("Add", ("text", "4 x 10 m"));
        Assert.Contains("added 4 x 20 m", (await coach.PageAsync($"{Url}/Versions")).Body!.TextContent);
        await coach.PostAsync($"{Url}/Versions", $"{Url}/Versions", ("number", "0"));
        Assert.Equal(before, PlanJson.Write(await PlanAsync()));
        await DoAsync("Undo");
        Assert.Equal(2 + PlanJson.Read(before).Lines.Count(), (await PlanAsync()).Lines.Count());
        await coach.PostAsync("/Sessions/New", "/Sessions/New?handler=Forget", ("kept", "1"));
        Assert.DoesNotContain("Our Thursday", (await coach.PageAsync("/Sessions/New")).Body!.TextContent);
    }

    [Fact]
    public async Task A_coachs_own_exercise_is_checked_known_at_once_and_can_be_hidden()
    {
        (string, string)[] Own(string name, string dose, string harder = "") =>
            [("of", ""), ("Input.Name", name), ("Input.Kind", "Drill"), ("Input.Family", "own"), ("Input.Counted", "Metres"), ("Input.Dose", dose), ("Input.Effort", "55"), ("Input.Contacts", "0"), ("Input.For", "Teaches it."), ("Input.Harder", harder), ("Input.Points", "One\nTwo")];
        var wrong = await coach.PostAsync("/Drills/Edit", "/Drills/Edit", Own("A-skip", "now and then", "nothing such"));
        Assert.Contains("There is “A-skip” already", wrong.Page.Body!.TextContent);
        Assert.Contains("is not in the catalogue", wrong.Page.Body.TextContent);
        var dose = await coach.PostAsync("/Drills/Edit", "/Drills/Edit", Own("Quay stride", "now and then"));
        Assert.Contains("Write the dose in shorthand", dose.Page.Body!.TextContent);
        Assert.Equal("now and then", dose.Page.QuerySelector("#Input_Dose")!.GetAttribute("value"));
        Assert.Equal(HttpStatusCode.Redirect, (await coach.PostAsync("/Drills/Edit", "/Drills/Edit", Own("Quay stride", "2 x 20 m", "A-run"))).Code);
        Assert.Contains("Two", (await coach.PageAsync("/Drills/Quay%20stride")).Body!.TextContent);
        await DoAsync("Add", ("text", "quay stride"));
        Assert.Equal("Quay stride", (await PlanAsync()).Lines.Last().Exercise);
        Assert.Contains("Quay stride", await coach.TextAsync($"{Url}?handler=Reads&text=qua"), StringComparison.Ordinal);
        Assert.Contains("Quay stride", ReadingDevice.Open(await coach.TextAsync($"{Url}?handler=Reader")).Read("qua"), StringComparison.Ordinal);

        // Other names, kit, body areas and the way down are the coach's to say; a name that means another exercise already is not taken.
        (string, string)[] more = [.. Own("Quay stride", "2 x 20 m", "A-run").Where(f => f.Item1 != "of"), ("of", "Quay stride"), ("Input.Kit", "mini-hurdles, cones"), ("Input.Covers", "hips"), ("Input.Covers", "calves"), ("Input.SecondsEach", "2")];
        Assert.Contains("means “A-skip” already", (await coach.PostAsync("/Drills/Edit", "/Drills/Edit", [.. more, ("Input.Also", "harbour run\na skips")])).Page.Body!.TextContent, StringComparison.Ordinal);
        Assert.Contains("not the same both ways", (await coach.PostAsync("/Drills/Edit", "/Drills/Edit", [.. more, ("Input.Easier", "high-knee run")])).Page.Body!.TextContent, StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.Redirect, (await coach.PostAsync("/Drills/Edit", "/Drills/Edit", [.. more, ("Input.Also", "harbour run\nquay run"), ("Input.Easier", "straight-leg run")])).Code);
        var own = await coach.PageAsync("/Drills/Quay%20stride");
        Assert.All(["mini-hurdles, cones", "hips, calves"], words => Assert.Contains(words, own.Body!.TextContent, StringComparison.OrdinalIgnoreCase));
        Assert.Contains("straight-leg run, then quay stride, then A-run", own.QuerySelector(".ladder")!.GetAttribute("aria-label")!, StringComparison.OrdinalIgnoreCase);
        await DoAsync("Add", ("text", "harbour runs 3 x 20 m"));
        Assert.Equal("Quay stride", (await PlanAsync()).Lines.Last().Exercise);

        await coach.PostAsync("/Drills/Quay%20stride", "/Drills/Quay%20stride?handler=Hide");
        Assert.Equal(HttpStatusCode.NotFound, (await coach.GetAsync("/Drills/Quay%20stride")).Code);

        // A device reads with what the club changed and without what it hides, as the server does.
        await coach.PostAsync("/Drills/Edit?of=A-skip", "/Drills/Edit", [.. Own("A-skip", "9 x 11 m").Where(f => f.Item1 != "of"), ("of", "A-skip"), ("Input.SecondsEach", "2")]);
        await coach.PostAsync("/Drills/B-skip", "/Drills/B-skip?handler=Hide");
        var device = ReadingDevice.Open(await coach.TextAsync($"{Url}?handler=Reader"));
        foreach (var line in new[] { "A-skip", "B-skip", "4 reps of A-skip", "quay stride", "b sk" })
        {
            Assert.Equal(await coach.TextAsync($"{Url}?handler=Reads&text={Uri.EscapeDataString(line)}"), device.Read(line));
        }

        Assert.Contains("11 m", device.Read("A-skip"), StringComparison.Ordinal);
        // Plans that name it keep it, and the page still opens.
        Assert.Contains("Quay stride", (await coach.PageAsync(Url)).Body!.TextContent);
        await coach.PostAsync("/Drills", "/Drills?handler=Show", ("name", "Quay stride"));
        await coach.PageAsync("/Drills/Quay%20stride");
    }

    [Fact]
    public async Task Drills_are_found_by_word_kind_and_fault_and_added_to_a_session()
    {
        async Task<List<string>> Names(string query) => [.. (await coach.PageAsync("/Drills?" + query)).QuerySelectorAll(".drill-cell .drill-name").Select(a => a.TextContent)];
        Assert.Contains("ankle dribble", await Names("q=dribble"));
        Assert.DoesNotContain("broad jump", await Names("kind=Drill"));
        Assert.Contains("four-point start", await Names("fault=Popping up"));
        Assert.Empty(await Names("q=zzzz"));
        var ladder = (await coach.PageAsync("/Drills/A-skip")).QuerySelectorAll(".ladder a").Select(a => a.GetAttribute("aria-label"));
        Assert.Equal(["A-march", "A-switch", "A-skip", "A-run", "overhead A-run"], ladder);
        await coach.PostAsync("/Drills/A-run", "/Drills/A-run?handler=Add", ("session", "49"));
        Assert.Equal("A-run", (await PlanAsync()).Lines.Last().Exercise);
    }

    [Fact]
    public async Task An_older_file_is_copied_before_it_is_brought_up_to_date()
    {
        var folder = Path.Combine(Path.GetTempPath(), "inch-burst-test-" + Guid.NewGuid().ToString("N"));
        Directory.CreateDirectory(folder);
        ClubDb Open() => new(new DbContextOptionsBuilder<ClubDb>().UseSqlite(ClubFile.ConnectionString(folder)).Options);
        await using (var old = Open())
        {
            await old.GetService<IMigrator>().MigrateAsync("First");


            // As the first version of the program wrote them: a club and three runs of one athlete on one line, the middle one not counted.
            await old.Database.ExecuteSqlRawAsync("""
                INSERT INTO Clubs (Name, DistanceUnit, MassUnit, SpeedUnit, IsDemo) VALUES ('Old club', 0, 0, 0, 0);
                INSERT INTO Squads (Name) VALUES ('Old squad');
                INSERT INTO Athletes (SquadId, Name, Sex, Position, "Group", Stance, FrontFoot, Notes, Availability, AvailabilityReason, AvailabilitySaidBy) VALUES (1, 'Ada Quillfeather', 0, '', 0, 0, 0, '', 0, '', '');
                INSERT INTO Runs (ClientId, SessionId, AthleteId, LineId, Day, FinishedAt, Outcome, Kind, Effort, Method, "Trigger", StartBehindGateMetres, LoggedBy)
                SELECT '00000000-0000-0000-0000-00000000000' || n, 1, 1, 7, '2026-03-01', '2026-03-01 17:0' || n || ':00', CASE n WHEN 2 THEN 3 ELSE 0 END, 3, 100, 0, 0, 0, 'old' FROM (SELECT 1 AS n UNION SELECT 2 UNION SELECT 3);
                """.Replace("INSERT INTO Runs", "PRAGMA foreign_keys = OFF; INSERT INTO Runs", StringComparison.Ordinal));
        }

        await using (var db = Open())
        {
            var copy = await ClubFile.BringUpToDateAsync(db, folder, TimeProvider.System);
            Assert.NotNull(copy);
            Assert.Empty(await db.Database.GetPendingMigrationsAsync());
            Assert.Equal("Old club", (await db.Clubs.SingleAsync()).Name);
            await using var copied = new ClubDb(new DbContextOptionsBuilder<ClubDb>().UseSqlite($"Data Source={copy};Pooling=False").Options);
            Assert.Equal("Old club", await copied.Clubs.Select(c => c.Name).SingleAsync());

            // Reps get their numbers in the order they were stored; what was run again has none.
            Assert.Equal([1, 0, 2], await db.Runs.OrderBy(r => r.Id).Select(r => r.Rep).ToListAsync());
            Assert.NotEmpty(await copied.Database.GetPendingMigrationsAsync());
            Assert.Null(await ClubFile.BringUpToDateAsync(db, folder, TimeProvider.System));
        }

        Directory.Delete(folder, true);
    }
}

/// <summary>Judgement in the interface: fixes, schools, paper.</summary>
public sealed class JudgementTests : IAsyncLifetime
{
    private const string Url = "/Sessions/49";
    private TestHouse house = null!;
    private Visitor coach = null!;

    public async ValueTask InitializeAsync()
    {
        house = await TestHouse.OpenAsync(demo: true);
        coach = await house.CoachAsync();
    }

    public ValueTask DisposeAsync() => house.DisposeAsync();

    private async Task<AngleSharp.Dom.IDocument> DoAsync(string handler, params (string, string)[] fields) => (await coach.PostAsync(Url, $"{Url}?handler={handler}", fields)).Page;

    private static (string, string)[] FixOf(AngleSharp.Dom.IDocument page, string label)
    {
        var form = page.QuerySelectorAll(".fixes form").First(f => f.TextContent.Contains(label, StringComparison.Ordinal));
        return [.. form.QuerySelectorAll("input[name]").Where(i => i.GetAttribute("name") != "__RequestVerificationToken").Select(i => (i.GetAttribute("name")!, i.GetAttribute("value") ?? ""))];
    }

    [Fact]
    public async Task A_one_tap_fix_changes_the_plan_and_undo_takes_it_back_lanes_too()
    {
        var page = await DoAsync("Add", ("text", "7 x 40 m rest 0:20"));
        Assert.Contains("Overruns the 40-minute window", page.Body!.TextContent);
        var fixedUp = await DoAsync("Fix", FixOf(page, "Open another lane"));
        Assert.Equal(3, await house.InDbAsync(async db => (await db.Sessions.SingleAsync(s => s.Id == 49)).Lanes));
        Assert.Contains("Now on 3 lanes", fixedUp.QuerySelector(".toast-bar")!.TextContent);
        await DoAsync("Undo");
        Assert.Equal(2, await house.InDbAsync(async db => (await db.Sessions.SingleAsync(s => s.Id == 49)).Lanes));
        var slow = await DoAsync("Fix", FixOf(await coach.PageAsync(Url), "Add stick the stop"));
        Assert.Contains("Stick the stop", slow.QuerySelector(".blocks")!.TextContent);
        Assert.DoesNotContain("No work on slowing down", slow.Body!.TextContent);
        // A fix that no longer applies changes nothing.
        var again = await DoAsync("Fix", ("rule", "slow down"), ("line", ""), ("fix", "0"));
        Assert.Equal(1, again.QuerySelectorAll(".blocks .name").Count(n => n.TextContent.Contains("Stick the stop", StringComparison.Ordinal)));
    }

    [Fact]
    public async Task A_copied_school_is_changed_with_care_and_judges_at_once()
    {
        var copied = await coach.PostAsync("/Settings/Schools", "/Settings/Schools?handler=Copy", ("name", "Short team windows"));
        var url = copied.Response.Headers.Location!.ToString();
        var form = await coach.PageAsync(url);
        (string, string)[] Fields(params (string Name, string Value)[] changed) =>
            [.. form.QuerySelectorAll("main input[name]").Select(i => i.GetAttribute("name")!).Where(n => n != "__RequestVerificationToken").Select(n => (n, changed.FirstOrDefault(c => c.Name == n).Value ?? form.QuerySelector($"[name='{n}']")!.GetAttribute("value")!))];
        var bad = await coach.PostAsync(url, url, Fields(("value-rest.free", "900"), ("title", "Quay school")));
        Assert.Contains("From 5 to 180.", bad.Page.Body!.TextContent);
        Assert.Equal("900", bad.Page.QuerySelector("[name='value-rest.free']")!.GetAttribute("value"));
        Assert.Equal(HttpStatusCode.Redirect, (await coach.PostAsync(url, url, Fields(("value-rest.free", "120"), ("title", "Quay school")))).Code);
        await coach.PostAsync("/Settings/Schools", "/Settings/Schools?handler=Squad", ("squad", "1"), ("name", "Quay school"));
        var page = await coach.PageAsync(Url);
        Assert.Contains("Quay school", page.Body!.TextContent);
        Assert.Contains("Rest 4:00 is under the rule of 6:00", page.Body.TextContent);
        await coach.PostAsync("/Settings/School?name=Quay%20school", "/Settings/School?name=Quay%20school&handler=Remove");
        Assert.Contains("Full rest, light loads", (await coach.PageAsync(Url)).Body!.TextContent);
    }

    [Fact]
    public async Task Paper_and_card_carry_the_session()
    {
        var sheet = await coach.PageAsync($"{Url}/Sheet");
        Assert.Contains("Cones and gates: 20 build + 10 fly + 20 m slow", sheet.Body!.TextContent);
        Assert.Contains("Mbali Sithebe", sheet.Body.TextContent);

        // Each line says when it begins, the first at the start, none before the one above it.
        var begins = sheet.QuerySelectorAll(".sheet-lines td:first-child").Select(c => c.TextContent.Trim()).Where(t => System.Text.RegularExpressions.Regex.IsMatch(t, @"^\d+:\d\d$")).Select(t => t.Split(':')).Select(t => (int.Parse(t[0], System.Globalization.CultureInfo.InvariantCulture) * 60) + int.Parse(t[1], System.Globalization.CultureInfo.InvariantCulture)).ToList();
        Assert.Equal(0, begins[0]);
        Assert.True(begins.Count > 8);
        Assert.Equal(begins.Distinct().Order(), begins);
        await DoAsync("Add", ("text", "2 x 10 m for low minutes"));
        var low = await coach.PageAsync($"{Url}/Card?athlete=9");
        var high = await coach.PageAsync($"{Url}/Card?athlete=1");
        Assert.Equal(high.QuerySelectorAll(".card-lines li").Length + 1, low.QuerySelectorAll(".card-lines li").Length);
        Assert.Contains("Ask club physiotherapist", (await coach.PageAsync($"{Url}/Card?athlete=5")).Body!.TextContent);
    }
}
