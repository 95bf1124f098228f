using System.Net;
using System.Text;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Data.Files;
using InchBurst.Data.Files.Csv;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace InchBurst.Web.Tests;

/// <summary>Open files out and in: the whole club, sheets, one athlete, and what is wrong in them.</summary>
public sealed class FilesTests
{
    private static async Task<byte[]> WholeAsync(TestHouse house)
    {
        await using var scope = house.Services.CreateAsyncScope();
        using var to = new MemoryStream();
        await scope.ServiceProvider.GetRequiredService<ClubJson>().WriteAsync(to);
        return to.ToArray();
    }

    private static async Task<IReadOnlyDictionary<string, int>> ReadAsync(TestHouse house, byte[] file)
    {
        await using var scope = house.Services.CreateAsyncScope();
        return await scope.ServiceProvider.GetRequiredService<ClubJson>().ReadAsync(new MemoryStream(file));
    }

    private static async Task<int> CountAsync(ClubDb db, string sql) => (await db.Database.SqlQueryRaw<int>(sql).ToListAsync()).Single();

    [Fact]
    public async Task The_whole_club_goes_out_and_comes_in_with_the_same_bytes_and_the_same_pages()
    {
        await using var house = await TestHouse.OpenAsync(demo: true);
        var coach = await house.CoachAsync();

        // Something in every table, so that none can be forgotten.
        await house.InDbAsync(async db =>
        {
            foreach (var (type, table) in db.Model.GetEntityTypes().Select(t => (t, t.GetTableName()!)).Where(t => ClubTable.All(db).Any(c => c.Name == t.Item2)))
            {
                var columns = ClubTable.All(db).Single(c => c.Name == table);
                var count = await CountAsync(db, $"SELECT count(*) AS Value FROM \"{table}\"");
                if (count == 0)
                {
                    var names = columns.Columns.Where(c => !(c.IsNullable && !c.Name.EndsWith("Id", StringComparison.Ordinal)) && !(columns.Key.Count == 1 && columns.Key[0] == c.Name && !c.IsText)).ToList();
                    object Value(ClubColumn c) => c.Name.EndsWith("AthleteId", StringComparison.Ordinal) || c.Name is "AthletesId" or "OwnGroupId" or "SquadId" or "EntryId" or "PlaceId" or "RunId" or "SessionId" ? 1
                        : c.Name == "PlanJson" ? InchBurst.Core.Plan.PlanJson.Write(InchBurst.Core.Plan.SessionPlan.Empty)
                        : table == "ClubSchools" && c.Name == "Json" ? InchBurst.Core.School.CoachingSchool.Usual.ToJson()
                        : c.Usual ?? "";
                    var insert = $"INSERT INTO \"{table}\" ({string.Join(", ", names.Select(n => $"\"{n.Name}\""))}) VALUES ({string.Join(", ", names.Select((_, i) => $"{{{i}}}"))})";
                    await db.Database.ExecuteSqlRawAsync(insert, [.. names.Select(Value)]);
                }
            }

            return 0;
        });
        var before = await WholeAsync(house);
        string[] pages = ["/", "/Athletes", "/Athletes/1", "/Season/Calendar", "/Sessions", "/Sessions/49", "/Sessions/48/Review", "/Loads"];
        var shown = new List<string>();
        foreach (var page in pages)
        {
            shown.Add((await coach.PageAsync(page)).QuerySelector("main")!.TextContent);
        }

        await house.InDbAsync(async db =>
        {
            await db.Database.ExecuteSqlRawAsync("PRAGMA foreign_keys=OFF; DELETE FROM Marks; DELETE FROM RunStretches; UPDATE Athletes SET Name = 'Nobody'");
            return 0;
        });
        Assert.NotEqual(before, await WholeAsync(house));
        var counts = await ReadAsync(house, before);
        Assert.True(counts["Runs"] > 1000);
        Assert.All(counts, c => Assert.True(c.Value > 0, c.Key));
        Assert.Equal(before, await WholeAsync(house));

        await using var other = await TestHouse.OpenAsync(demo: true);
        var there = await other.CoachAsync();
        await ReadAsync(other, before);
        other.Services.GetRequiredService<CurveShelf>().ForgetAll();
        other.Services.GetRequiredService<CatalogueShelf>().Forget();
        for (var i = 0; i < pages.Length; i++)
        {
            Assert.Equal(shown[i], (await there.PageAsync(pages[i])).QuerySelector("main")!.TextContent);
        }

        Assert.DoesNotContain("PasswordHash", Encoding.UTF8.GetString(before));
    }

    public static TheoryData<string, string, string> Damage => new()
    {
        { "\"format\": \"inch-burst-club\"", "\"format\": \"other\"", "not the file of a whole club" },
        { "\"form\": 1", "\"form\": 99", "newer" },
        { "\"Clubs\": [", "\"Clubz\": [", "no table known" },
        { "\"BirthYear\":", "\"BirthYears\":", "no column known" },
        { "\"SquadId\": 1", "\"SquadId\": \"one\"", "a number is wanted" },
        { "\"SquadId\": 1", "\"SquadId\": 987", "not in the file" },
        { "\"CopiesKept\": 14", "\"CopiesKept\": null", "a number is wanted" },
        { "\"tables\": {", "\"tables\": 3, \"rest\": {", "no tables" },
    };

    [Theory]
    [MemberData(nameof(Damage))]
    public async Task A_damaged_club_file_is_refused_with_its_place_and_changes_nothing(string good, string bad, string words)
    {
        await using var house = await TestHouse.OpenAsync();
        await house.CoachAsync();
        await house.InDbAsync(async db =>
        {
            db.Athletes.Add(new Athlete { Name = "Ada Berg", SquadId = 1 });
            return await db.SaveChangesAsync();
        });
        var before = await WholeAsync(house);
        var text = Encoding.UTF8.GetString(before);
        var at = text.IndexOf(good, StringComparison.Ordinal);
        Assert.True(at >= 0, good);
        var problem = await Assert.ThrowsAsync<FileProblem>(() => ReadAsync(house, Encoding.UTF8.GetBytes(text[..at] + bad + text[(at + good.Length)..])));
        Assert.Contains(words, problem.Message);
        Assert.Equal(before, await WholeAsync(house));
        Assert.Contains("breaks off", (await Assert.ThrowsAsync<FileProblem>(() => ReadAsync(house, before[..(before.Length / 2)]))).Message);
    }

    [Fact]
    public async Task One_athlete_goes_out_as_a_file_and_is_erased_for_good_with_what_remains_told()
    {
        await using var house = await TestHouse.OpenAsync(demo: true);
        var coach = await house.CoachAsync();
        var (id, name) = await house.InDbAsync(db => db.Runs.GroupBy(r => r.AthleteId).OrderByDescending(g => g.Count()).Select(g => new { g.Key }).Join(db.Athletes, g => g.Key, a => a.Id, (g, a) => new { a.Id, a.Name }).FirstAsync()) is var a ? (a.Id, a.Name) : default;
        await house.InDbAsync(async db =>
        {
            (await db.Sessions.FirstAsync(s => s.Id == 49)).Notes = $"Look at {name} again";
            var plan = (await db.Sessions.FirstAsync(s => s.Id == 49)).PlanJson;
            (await db.Sessions.FirstAsync(s => s.Id == 49)).PlanJson = plan.Replace("\"for\":[]", $"\"for\":[{System.Text.Json.JsonSerializer.Serialize(name)}]", StringComparison.Ordinal);
            return await db.SaveChangesAsync();
        });
        await coach.PostAsync("/Settings/Backup", "/Settings/Backup?handler=Make");
        var file = await coach.TextAsync($"/Athletes/Data?handler=File&id={id}");
        using var parsed = System.Text.Json.JsonDocument.Parse(file);
        Assert.Equal(await house.InDbAsync(db => db.Runs.IgnoreQueryFilters().CountAsync(r => r.AthleteId == id)), parsed.RootElement.GetProperty("tables").GetProperty("Runs").GetArrayLength());
        Assert.True(parsed.RootElement.GetProperty("tables").GetProperty("Marks").GetArrayLength() > 50);
        var others = await house.InDbAsync(db => db.Runs.CountAsync(r => r.AthleteId != id));

        var page = await coach.PostAsync($"/Athletes/Data?id={id}", $"/Athletes/Data?handler=Erase&id={id}", ("typed", "Somebody else"));
        Assert.Contains("Type the name as it stands", page.Page.QuerySelector(".wrong")!.TextContent);
        var erased = await coach.PostAsync($"/Athletes/Data?id={id}", $"/Athletes/Data?handler=Erase&id={id}", ("typed", name));
        var told = erased.Page.QuerySelector("#erased")!.TextContent;
        Assert.Contains("Sessions, Notes: 1", told);
        Assert.Contains("club-asked-", told);
        Assert.Equal(HttpStatusCode.NotFound, (await coach.GetAsync($"/Athletes/{id}")).Code);
        Assert.Equal(others, await house.InDbAsync(db => db.Runs.CountAsync()));

        // No table holds the number or the name any more, but for the note; nor do the bytes of the file.
        await house.InDbAsync(async db =>
        {
            foreach (var (table, where) in AthleteRows.Of(db))
            {
                Assert.Equal(0, await CountAsync(db, $"SELECT count(*) AS Value FROM \"{table.Name}\" WHERE {where.Replace("$id", $"{id}", StringComparison.Ordinal)}"));
            }

            (await db.Sessions.FirstAsync(s => s.Id == 49)).Notes = "";
            return await db.SaveChangesAsync();
        });
        Assert.DoesNotContain(name, Encoding.UTF8.GetString(await WholeAsync(house)));
        foreach (var path in new[] { "/", "/Sessions/49", "/Sessions/48/Review", "/Athletes", "/Season/Year" })
        {
            await coach.PageAsync(path);
        }
    }

    internal static async Task<ImportPlan> JudgeAsync(TestHouse house, string kind, string text, DateOnly? day = null, Dictionary<string, int>? chosen = null)
    {
        await using var scope = house.Services.CreateAsyncScope();
        var (book, db) = (scope.ServiceProvider.GetRequiredService<ImportBook>(), scope.ServiceProvider.GetRequiredService<ClubDb>());
        var (of, sheet) = (ImportKind.All.Single(k => k.Key == kind), CsvSheet.Read(Encoding.UTF8.GetBytes(text)));
        var squad = await db.Squads.OrderBy(s => s.Id).FirstAsync();
        return ImportPlan.Of(of, sheet, of.Guess(sheet.Header, await book.MemoryAsync(kind)), await book.KnownAsync(of, squad, new(2026, 11, 27), DistanceUnit.Metre), day, chosen ?? []);
    }

    internal static async Task<TestHouse> WithPeopleAsync()
    {
        var house = await TestHouse.OpenAsync();
        await house.CoachAsync();
        await house.InDbAsync(async db =>
        {
            db.Athletes.AddRange(new Athlete { Name = "Ada Berg", SquadId = 1 }, new Athlete { Name = "Zoë Müller", SquadId = 1 }, new Athlete { Name = "Noor Haddad", SquadId = 1 });
            db.CalendarEntries.Add(new CalendarEntry { SquadId = 1, Day = new(2026, 3, 14), LastDay = new(2026, 3, 14), Title = "Harbour away" });
            db.Sessions.Add(new TrainingSession { SquadId = 1, Day = new(2026, 3, 14), Name = "Speed", PlanJson = InchBurst.Core.Plan.PlanJson.Write(InchBurst.Core.Plan.SessionPlan.Empty) });
            return await db.SaveChangesAsync();
        });
        return house;
    }

    [Fact]
    public async Task Sheets_of_every_country_are_read_alike()
    {
        await using var house = await WithPeopleAsync();
        string[] same =
        [
            "Name,Date,Distance,Time\nZoë Müller,2026-03-14,30 m,4.52\nAda Berg,2026-03-14,30,64.5\n",
            "\uFEFFName;Date;Distance;Time\r\nZoë Müller;14.03.2026;30 m;4,52\r\nAda Berg;14.03.2026;30;1:04,5\r\n",
            "name\tdate\tdistance\ttime\n\"Müller, Zoë\"\t14/3/2026\t30m\t4.52 s\n\n\"Berg, Ada\"\t14/3/2026\t30\t64.50",
            "sep=;\nTime;Distance;Name;Date\n\"4,52\";30;zoe muller;2026-03-14\n\"64,5\";30;ADA BERG;2026-03-14",
        ];
        foreach (var text in same)
        {
            var plan = await JudgeAsync(house, "times", text);
            Assert.Empty(plan.Problems);
            Assert.Equal(["Ada Berg, 14 Mar 2026: 30 m 64.50", "Zoë Müller, 14 Mar 2026: 30 m 4.52"], plan.Rows.Select(r => r.Says).Order(StringComparer.Ordinal));
        }

        Assert.Equal(["Ada Berg, 14 Mar 2026: 30 m 4.52"], (await JudgeAsync(house, "times", "Name,Date,Distance,Time\nAda Berg,3/14/2026,30,4.52")).Rows.Select(r => r.Says));
        Assert.Equal("Zoë Müller", CsvSheet.Read(Encoding.Latin1.GetBytes("Name\nZoë Müller")).Rows[0].Cells[0]);
        Assert.Equal("Zoë", CsvSheet.Read([.. Encoding.Unicode.GetPreamble(), .. Encoding.Unicode.GetBytes("Name\nZoë")]).Rows[0].Cells[0]);
        var lines = CsvSheet.Read(Encoding.UTF8.GetBytes("Name,Notes\nAda,\"one\ntwo\"\n\nBo,x")).Rows;
        Assert.Equal([2, 5], lines.Select(r => r.Line));
    }

    [Theory]
    [InlineData("", "empty")]
    [InlineData("   \n\n ", "empty")]
    [InlineData("PK\u0003\u0004\0\0\0", "no text")]
    public void What_is_no_sheet_is_refused(string text, string words) => Assert.Contains(words, Assert.Throws<FileProblem>(() => CsvSheet.Read(Encoding.UTF8.GetBytes(text))).Message);

    [Theory]
    [InlineData("=1+1", "'=1+1")]
    [InlineData("@cmd", "'@cmd")]
    [InlineData("+A1", "'+A1")]
    [InlineData("-4.5", "-4.5")]
    [InlineData("'quoted", "''quoted")]
    [InlineData("plain", "plain")]
    [InlineData("", "")]
    public void What_a_spreadsheet_would_run_is_made_harmless_and_comes_back_as_it_was(string cell, string harmless)
    {
        Assert.Equal(harmless, Cells.Harmless(cell));
        Assert.Equal(cell, Cells.Harmed(harmless));
    }

    [Fact]
    public async Task A_name_in_doubt_is_asked_about_and_what_was_chosen_holds()
    {
        await using var house = await WithPeopleAsync();
        const string Text = "Name;Date;Distance;Time\nA. Berg;14.3.2026;30;4,52\nNoor Hadad;14.3.2026;30;4,60\nBo;14.3.2026;30;4,70";
        var plan = await JudgeAsync(house, "times", Text);
        Assert.Equal(0, plan.Count(RowFate.New));
        Assert.Equal([("A. Berg", "Ada Berg"), ("Noor Hadad", "Noor Haddad"), ("Bo", "")], plan.Doubts.Select(d => (d.Typed, d.Likely.FirstOrDefault().Name ?? "")));
        var chosen = await JudgeAsync(house, "times", Text, chosen: new() { ["A. Berg"] = 1, ["Noor Hadad"] = 3, ["Bo"] = 0 });
        Assert.Equal(2, chosen.Count(RowFate.New));
        Assert.Equal("Bo is left out.", Assert.Single(chosen.Problems).Words);
    }

    [Fact]
    public async Task A_wide_sheet_becomes_runs_is_there_the_second_time_and_is_taken_back_at_once()
    {
        await using var house = await WithPeopleAsync();
        var visitor = house.Visitor();
        await visitor.PostAsync("/SignIn", "/SignIn", ("Input.Name", "Odalys Brandvold"), ("Input.Password", "long enough"));
        const string Sheet = "Player;10 m;30 m (1);30 m (2);Remarks\nAda Berg;1,92;4,52;4,49;good\nMuller, Zoe;1,99;4,61;DNS;\n";
        async Task<(string Job, AngleSharp.Dom.IDocument Page)> OpenAsync()
        {
            var (_, page, _) = await visitor.UploadAsync("/Settings/Files", "/Settings/Files?handler=Open", "tests.csv", Encoding.UTF8.GetBytes(Sheet), ("kind", "wide"));
            return (page.QuerySelector("#preview input[name=job]")!.GetAttribute("value")!, page);
        }

        var (job, opened) = await OpenAsync();
        Assert.Contains("No day", opened.QuerySelector("#preview")!.TextContent);
        (string, string)[] fields = [("job", job), ("kind", "wide"), ("day", "2026-03-14"), ("column", "athlete"), ("column", ""), ("column", ""), ("column", ""), ("column", "")];
        var looked = await visitor.PostAsync("/Settings", "/Settings/Files?handler=Look", fields);
        Assert.Equal("5", looked.Page.QuerySelector("#preview .holds dd")!.TextContent);
        Assert.Equal(0, await house.InDbAsync(db => db.Runs.CountAsync()));
        Assert.Equal("5", looked.Page.QuerySelector("#preview input[name=shown]")!.GetAttribute("value"));
        Assert.Contains("5 rows come in now", (await visitor.PostAsync("/Settings", "/Settings/Files?handler=Store", [.. fields, ("shown", "4")])).Page.Body!.TextContent);
        Assert.Equal(0, await house.InDbAsync(db => db.Runs.CountAsync()));
        var stored = await visitor.PostAsync("/Settings", "/Settings/Files?handler=Store", [.. fields, ("shown", "5")]);
        var watch = stored.Response.Headers.Location!.ToString();
        var batch = await visitor.UntilAsync(watch, "#job input[name=batch]");
        Assert.Equal(5, await house.InDbAsync(db => db.Runs.CountAsync()));
        Assert.Equal([4.52, 4.49], await house.InDbAsync(db => db.Marks.Where(m => m.Millimetres == 30000 && db.Runs.Any(r => r.Id == m.RunId && r.AthleteId == 1)).OrderBy(m => m.RunId).Select(m => m.Seconds).ToListAsync()));
        Assert.True(await house.InDbAsync(db => db.RunStretches.AnyAsync()));
        var athlete = (await visitor.PageAsync("/Athletes/1")).Body!.TextContent;
        Assert.Contains("4.49", athlete);

        var (again, _) = await OpenAsync();
        var same = await visitor.PostAsync("/Settings", "/Settings/Files?handler=Look", [("job", again), .. fields.Skip(1)]);
        Assert.Equal(["0", "0", "5", "0"], same.Page.QuerySelectorAll("#preview .holds dd").Select(d => d.TextContent));
        Assert.Contains("nothing in it", (await visitor.PostAsync("/Settings", "/Settings/Files?handler=Store", [("job", again), .. fields.Skip(1)])).Page.Body!.TextContent);

        await visitor.PostAsync("/Settings", "/Settings/Files?handler=Undo", ("batch", batch));
        Assert.Equal(0, await house.InDbAsync(db => db.Runs.CountAsync()));
        Assert.Equal(0, await house.InDbAsync(db => db.Sessions.CountAsync(s => s.Name != "Speed")));
        Assert.False(await house.InDbAsync(db => db.RunStretches.AnyAsync()));
        Assert.DoesNotContain("4.49", (await visitor.PageAsync("/Athletes/1")).Body!.TextContent);
    }

    [Fact]
    public async Task Every_sheet_goes_out_and_athletes_lifts_and_the_calendar_come_in_as_they_were()
    {
        await using var house = await TestHouse.OpenAsync(demo: true);
        var coach = await house.CoachAsync();
        foreach (var sheet in CsvOut.All)
        {
            var text = await coach.TextAsync($"/Settings/Files?handler=Sheet&key={sheet.Key}");
            var read = CsvSheet.Read(Encoding.UTF8.GetBytes(text));
            Assert.Equal(sheet.Columns.Select(c => c.Name), read.Header);
            Assert.All(read.Rows, r => Assert.Equal(sheet.Columns.Count, r.Cells.Count));
        }

        Assert.Equal(HttpStatusCode.NotFound, (await coach.GetAsync("/Settings/Files?handler=Sheet&key=secrets")).Code);
    }

    private static readonly string[] InOrder = ["athletes", "fixtures", "minutes", "sessions", "attendance", "times", "measures", "lifts"];

    private static async Task<Dictionary<string, string>> SheetsAsync(Visitor coach)
    {
        var sheets = new Dictionary<string, string>();
        foreach (var key in InOrder)
        {
            sheets[key] = await coach.TextAsync($"/Settings/Files?handler=Sheet&key={key}");
        }

        return sheets;
    }

    private static async Task<(ImportPlan Plan, int Batch)> BringAsync(TestHouse house, string kind, string text)
    {
        var plan = await JudgeAsync(house, kind, text);
        await using var scope = house.Services.CreateAsyncScope();
        var (of, sheet) = (ImportKind.All.Single(k => k.Key == kind), CsvSheet.Read(Encoding.UTF8.GetBytes(text)));
        var squad = await scope.ServiceProvider.GetRequiredService<ClubDb>().Squads.OrderBy(s => s.Id).FirstAsync();
        return (plan, await scope.ServiceProvider.GetRequiredService<ImportBook>().StoreAsync(of, plan, sheet.Header, of.Guess(sheet.Header, new Dictionary<string, string>()), squad, "coach", kind));
    }

    // Numbers of runs are the file's own.
    private static string Told(string sheet) => string.Join('\n', sheet.Split("\r\n").Select(l => System.Text.RegularExpressions.Regex.Replace(l, @"^\d+,(?=\d{4}-)", "")).Order(StringComparer.Ordinal));

    [Fact]
    public async Task What_goes_out_as_sheets_comes_in_again_as_the_same_sheets_and_is_known_the_second_time_and_taken_back()
    {
        await using var house = await TestHouse.OpenAsync(demo: true);
        var coach = await house.CoachAsync();
        var before = await SheetsAsync(coach);
        await house.InDbAsync(async db =>
        {
            // Everything goes but the two squads.
            await db.Database.ExecuteSqlRawAsync("PRAGMA foreign_keys=OFF; DELETE FROM RunStretches; DELETE FROM Marks; DELETE FROM RunMeasures; DELETE FROM RunSeen; DELETE FROM RunReadings; DELETE FROM Runs; DELETE FROM Attendance; DELETE FROM PlanRevisions; DELETE FROM Sessions; DELETE FROM LiftTests; DELETE FROM PlayedMinutes; DELETE FROM CalendarEntries; DELETE FROM Athletes; PRAGMA foreign_keys=ON");
            return 0;
        });
        foreach (var key in InOrder)
        {
            var (plan, _) = await BringAsync(house, key, before[key]);
            Assert.True(plan.Problems.Count == 0, $"{key}: {plan.Problems.FirstOrDefault()}");
            Assert.Equal(0, plan.Count(RowFate.Wrong));
        }

        var after = await SheetsAsync(coach);
        foreach (var key in InOrder)
        {
            Assert.Equal(Told(before[key]), Told(after[key]));
            var again = await JudgeAsync(house, key, before[key]);
            Assert.True(again.Count(RowFate.New) + again.Count(RowFate.Changes) + again.Count(RowFate.Wrong) == 0, $"{key}: {again.Rows.FirstOrDefault(r => r.Fate != RowFate.Same)} {again.Problems.FirstOrDefault()}");
        }

        await house.InDbAsync(async db =>
        {
            var batches = await db.ImportBatches.OrderByDescending(b => b.Id).Select(b => b.Id).ToListAsync();
            foreach (var batch in batches.Take(InOrder.Length - 1))
            {
                await using var scope = house.Services.CreateAsyncScope();
                Assert.True(await scope.ServiceProvider.GetRequiredService<ImportBook>().UndoAsync(batch));
            }

            Assert.Equal((0, 0, 0), (await db.Runs.CountAsync(), await db.Attendance.CountAsync(), await db.RunMeasures.CountAsync()));
            Assert.Equal((0, 0), (await db.Sessions.CountAsync(), await db.RunStretches.CountAsync()));
            return 0;
        });
    }

    [Fact]
    public async Task Runs_join_the_session_and_line_they_name_and_leave_it_as_it_was_when_taken_back()
    {
        await using var house = await WithPeopleAsync();
        await house.InDbAsync(db => db.Sessions.ExecuteDeleteAsync());
        await BringAsync(house, "sessions", "Day;Name;Plan\n2026-03-20;Tuesday speed;\"3 x 30 m gates 10,30 rest 3:00\n3 x broad jump log length\"");
        const string Times = "Name;Day;Session;Work;Attempt;Distance;Time\nAda Berg;2026-03-20;Tuesday speed;3 x 30 m gates 10,30 rest 3:00;1;10 m;1,92\nAda Berg;2026-03-20;Tuesday speed;3 x 30 m gates 10,30 rest 3:00;1;30 m;4,52";
        var work = (await house.InDbAsync(db => db.Sessions.Select(s => s.PlanJson).SingleAsync())) is var json ? InchBurst.Core.Plan.PlanJson.Read(json).Lines.Select(l => InchBurst.Core.Shorthand.ShorthandPrinter.Print(l, InchBurst.Core.Catalogue.ExerciseCatalogue.BuiltIn)).ToList() : [];
        var (_, times) = await BringAsync(house, "times", Times.Replace("3 x 30 m gates 10,30 rest 3:00", work[0], StringComparison.Ordinal));
        var (_, jumps) = await BringAsync(house, "measures", $"Name;Day;Session;Work;Attempt;Value;Unit\nZoë Müller;2026-03-20;Tuesday speed;{work[1]};1;231;cm\nZoë Müller;2026-03-20;Tuesday speed;{work[1]};2;2,36;m");
        await house.InDbAsync(async db =>
        {
            var session = await db.Sessions.Include(s => s.Attendance).SingleAsync();
            Assert.Equal(2, session.Attendance.Count(a => a.Present));
            var runs = await db.Runs.Include(r => r.Marks).Include(r => r.Measures).Include(r => r.Stretches).OrderBy(r => r.Id).ToListAsync();
            Assert.All(runs, r => Assert.Equal(session.Id, r.SessionId));
            Assert.Equal([1.92, 4.52], runs[0].Marks.OrderBy(m => m.Millimetres).Select(m => m.Seconds));
            Assert.NotEmpty(runs[0].Stretches);
            Assert.Equal([2.31, 2.36], runs.Skip(1).Select(r => r.Measures.Single().Value));
            return 0;
        });

        // Without an attempt's number a time that is there is known, and another is the next attempt; it is taken back alone.
        var plain = Times.Replace("3 x 30 m gates 10,30 rest 3:00", work[0], StringComparison.Ordinal).Replace(";Attempt", "", StringComparison.Ordinal).Replace(";1;", ";", StringComparison.Ordinal);
        var known = await JudgeAsync(house, "times", plain.Split('\n')[0] + "\n" + plain.Split('\n')[2]);
        Assert.Equal((1, 0), (known.Count(RowFate.Same), known.Problems.Count));
        var (_, next) = await BringAsync(house, "times", (plain.Split('\n')[0] + "\n" + plain.Split('\n')[2]).Replace("4,52", "4,41", StringComparison.Ordinal));
        Assert.Equal([1, 2], await house.InDbAsync(db => db.Runs.Where(r => r.AthleteId == 1).OrderBy(r => r.Rep).Select(r => r.Rep).ToListAsync()));
        await using (var scope = house.Services.CreateAsyncScope())
        {
            Assert.True(await scope.ServiceProvider.GetRequiredService<ImportBook>().UndoAsync(next));
        }

        Assert.Equal(1, await house.InDbAsync(db => db.Runs.CountAsync(r => r.AthleteId == 1)));

        // Another time for an attempt that is there is said and left out; a value more joins its run.
        var other = await JudgeAsync(house, "times", Times.Replace("3 x 30 m gates 10,30 rest 3:00", work[0], StringComparison.Ordinal).Replace("4,52", "4,44", StringComparison.Ordinal));
        Assert.Contains("is there already, with 4.52 s", Assert.Single(other.Problems).Words);
        var (_, more) = await BringAsync(house, "measures", $"Name;Day;Session;Work;Attempt;Measure;Value;Unit\nZoë Müller;2026-03-20;Tuesday speed;{work[1]};2;air time;410;ms");
        Assert.Equal(0.41, await house.InDbAsync(db => db.RunMeasures.Where(m => m.Kind == MeasureKind.AirTime).Select(m => m.Value).SingleAsync()), 6);
        foreach (var batch in new[] { more, jumps, times })
        {
            await using var scope = house.Services.CreateAsyncScope();
            Assert.True(await scope.ServiceProvider.GetRequiredService<ImportBook>().UndoAsync(batch));
            Assert.Equal(batch == more ? 2 : 0, await house.InDbAsync(db => db.Runs.Where(r => r.Measures.Any()).CountAsync()));
        }

        Assert.Equal((0, 0, 1), await house.InDbAsync(async db => (await db.Runs.CountAsync(), await db.Attendance.CountAsync(), await db.Sessions.CountAsync())));
    }

    [Fact]
    public async Task A_plan_goes_out_as_a_file_and_comes_in_as_a_version()
    {
        await using var house = await TestHouse.OpenAsync(demo: true);
        var coach = await house.CoachAsync();
        var file = await coach.TextAsync("/Sessions/49/Versions?handler=File");
        foreach (var (bad, words) in new[] { ("", "empty"), ("{}", "no plan"), ("not at all", "no plan"), (file.Replace("\"reps\":3", "\"reps\":99999", StringComparison.Ordinal), "line by line") })
        {
            Assert.Contains(words, (await coach.UploadAsync("/Sessions/48/Versions", "/Sessions/50/Versions?handler=File", "plan.json", Encoding.UTF8.GetBytes(bad))).Page.QuerySelector(".wrong")!.TextContent);
        }

        var (code, _, _) = await coach.UploadAsync("/Sessions/50/Versions", "/Sessions/50/Versions?handler=File", "plan.json", Encoding.UTF8.GetBytes(file));
        Assert.Equal(HttpStatusCode.Redirect, code);
        Assert.Equal(file, await coach.TextAsync("/Sessions/50/Versions?handler=File"));
        Assert.Contains("read from plan.json", (await coach.PageAsync("/Sessions/50/Versions")).Body!.TextContent);
    }

    [Fact]
    public async Task What_a_column_was_taken_for_is_remembered()
    {
        await using var house = await WithPeopleAsync();
        await using var scope = house.Services.CreateAsyncScope();
        var (book, db) = (scope.ServiceProvider.GetRequiredService<ImportBook>(), scope.ServiceProvider.GetRequiredService<ClubDb>());
        var (kind, sheet) = (ImportKind.All.Single(k => k.Key == "lifts"), CsvSheet.Read(Encoding.UTF8.GetBytes("Wer;Wann;Was;Wieviel\nAda Berg;14.3.2026;squat;92,5")));
        string[] columns = ["athlete", "day", "lift", "kg"];
        var squad = await db.Squads.SingleAsync();
        var plan = ImportPlan.Of(kind, sheet, columns, await book.KnownAsync(kind, squad, new(2026, 11, 27), DistanceUnit.Metre), null, new Dictionary<string, int>());
        var id = await book.StoreAsync(kind, plan, sheet.Header, columns, squad, "Odalys", "a.csv");
        Assert.Equal(92.5, (await db.LiftTests.SingleAsync()).Kilograms);
        Assert.Equal(columns, kind.Guess(sheet.Header, await book.MemoryAsync("lifts")));
        Assert.True(await book.UndoAsync(id));
        Assert.False(await book.UndoAsync(id));
        Assert.False(await db.LiftTests.AnyAsync());
    }

    [Fact]
    public async Task Athletes_that_change_stand_as_before_when_the_file_is_taken_back()
    {
        await using var house = await WithPeopleAsync();
        await using var scope = house.Services.CreateAsyncScope();
        var (book, db) = (scope.ServiceProvider.GetRequiredService<ImportBook>(), scope.ServiceProvider.GetRequiredService<ClubDb>());
        var (kind, sheet) = (ImportKind.All.Single(k => k.Key == "athletes"), CsvSheet.Read(Encoding.UTF8.GetBytes("Name;Weight;Position\nAda Berg;61,5;wing\nIlse Vos;58;")));
        var squad = await db.Squads.SingleAsync();
        var plan = ImportPlan.Of(kind, sheet, kind.Guess(sheet.Header, new Dictionary<string, string>()), await book.KnownAsync(kind, squad, new(2026, 11, 27), DistanceUnit.Metre), null, new Dictionary<string, int>());
        Assert.Equal([RowFate.Changes, RowFate.New], plan.Rows.Select(r => r.Fate));
        var id = await book.StoreAsync(kind, plan, sheet.Header, kind.Guess(sheet.Header, new Dictionary<string, string>()), squad, "Odalys", "a.csv");
        db.ChangeTracker.Clear();
        Assert.Equal((61.5, "wing"), await db.Athletes.Where(a => a.Name == "Ada Berg").Select(a => ValueTuple.Create(a.MassKilograms!.Value, a.Position)).SingleAsync());
        Assert.Equal(4, await db.Athletes.CountAsync());
        await book.UndoAsync(id);
        db.ChangeTracker.Clear();
        Assert.Equal(3, await db.Athletes.CountAsync());
        Assert.Null((await db.Athletes.SingleAsync(a => a.Name == "Ada Berg")).MassKilograms);
    }
}
