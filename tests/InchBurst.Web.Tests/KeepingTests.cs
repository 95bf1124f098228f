using System.Diagnostics;
using System.Net;
using System.Text.Json;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Data.Safe;
using InchBurst.Web.Support;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace InchBurst.Web.Tests;

/// <summary>Copies of the club's file: made, looked at, put back, and what is refused.</summary>
public sealed class KeepingTests
{
    private static CopyBook Book(TestHouse house) => house.Services.GetRequiredService<CopyBook>();

    private static string Temp() => Path.Combine(Path.GetTempPath(), $"inch-burst-copy-{Guid.NewGuid():N}.db");

    [Fact]
    public async Task A_copy_is_one_whole_file_for_its_owner_alone_and_says_what_it_holds()
    {
        await using var house = await TestHouse.OpenAsync(demo: true);
        var path = await Book(house).MakeAsync(CopyKind.Asked);
        Assert.Equal([path], Directory.GetFiles(Book(house).Copies));
        var look = await ClubLook.AtAsync(path);
        Assert.Null(look.Problem);
        Assert.Equal("Northquay Sports Club", look.Club);
        Assert.Equal(await house.InDbAsync(db => db.Runs.CountAsync()), look.Runs);
        Assert.Equal(await house.InDbAsync(db => db.Athletes.CountAsync()), look.Athletes);
        Assert.Equal(await house.InDbAsync(db => db.Sessions.CountAsync()), look.Sessions);
        Assert.True(look.IsDemo);
        Assert.False(look.IsOlder);
        Assert.Equal(["demo-coach"], look.People);
        if (!OperatingSystem.IsWindows())
        {
            Assert.Equal(UnixFileMode.UserRead | UnixFileMode.UserWrite, File.GetUnixFileMode(path));
            Assert.Equal(UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute, File.GetUnixFileMode(house.Options.DataFolder));
        }
    }

    public static TheoryData<string, string> BadFiles => new()
    {
        { "empty", "empty" },
        { "text", "does not begin as a database" },
        { "short", "cut short" },
        { "scratched", "damaged" },
        { "other", "another program" },
        { "newer", "newer Inch Burst" },
        { "nobody", "no club" },
        { "gone", "no such file" },
        { "random", "does not begin" },
    };

    [Theory]
    [MemberData(nameof(BadFiles))]
    public async Task A_file_that_is_no_whole_club_is_refused_with_the_reason_and_changes_nothing(string kind, string words)
    {
        await using var house = await TestHouse.OpenAsync(demo: true);
        var file = Temp();
        try
        {
            await SpoilAsync(house, kind, file);
            Assert.Contains(words, (await ClubLook.AtAsync(file)).Problem);
            var before = await house.InDbAsync(db => db.Runs.CountAsync());
            var refused = await Assert.ThrowsAsync<CopyProblem>(() => Book(house).PutBackAsync(file));
            Assert.Contains(words, refused.Message);
            Assert.Equal(before, await house.InDbAsync(db => db.Runs.CountAsync()));
            Assert.Empty(Directory.GetFiles(house.Options.DataFolder, "restore-*"));
            Assert.Empty(Book(house).All());
        }
        finally
        {
            File.Delete(file);
        }
    }

    private static async Task SpoilAsync(TestHouse house, string kind, string file)
    {
        switch (kind)
        {
            case "gone":
                return;
            case "empty":
                await File.WriteAllBytesAsync(file, []);
                return;
            case "text":
                await File.WriteAllTextAsync(file, new string('x', 5000));
                return;
            case "random":
                var bytes = new byte[20_000];
                new Random(7).NextBytes(bytes);
                await File.WriteAllBytesAsync(file, bytes);
                return;
        }

        await Book(house).WriteAsync(file);
        if (kind is "short" or "scratched")
        {
            await using var raw = new FileStream(file, FileMode.Open);
            if (kind == "short")
            {
                raw.SetLength(raw.Length / 2);
                return;
            }

            // Pages in the middle are overwritten; the head stays as it was.
            raw.Seek(4096 * 3, SeekOrigin.Begin);
            await raw.WriteAsync(Enumerable.Repeat((byte)0xAB, 4096 * 40).ToArray());
            return;
        }

        await using var connection = new SqliteConnection($"Data Source={file};Pooling=False");
        await connection.OpenAsync();
        await using var command = connection.CreateCommand();
        command.CommandText = kind switch
        {
            "other" => "PRAGMA foreign_keys=OFF; DROP TABLE Runs",
            "newer" => "INSERT INTO __EFMigrationsHistory VALUES ('20990101000000_Later', '10.0.0')",
            _ => "DELETE FROM Clubs",
        };
        await command.ExecuteNonQueryAsync();
    }

    [Theory]
    [InlineData("../club.db")]
    [InlineData("club.db")]
    [InlineData("/etc/passwd")]
    [InlineData("incoming-../../club.db")]
    [InlineData("")]
    public async Task Nothing_but_a_copy_is_ever_fetched_or_put_back(string name)
    {
        await using var house = await TestHouse.OpenAsync(demo: true);
        var owner = await house.CoachAsync();
        Assert.Null(Book(house).PathOf(name));
        Assert.Equal(HttpStatusCode.NotFound, (await owner.GetAsync($"/Settings/Backup?handler=Fetch&name={Uri.EscapeDataString(name)}")).Code);
        var answer = await owner.PostAsync("/Settings/Backup", "/Settings/Backup?handler=Back", ("name", name), ("sure", "yes"));
        Assert.Contains("gone", answer.Page.QuerySelector("form[enctype] .wrong")!.TextContent);
    }

    [Fact]
    public async Task What_is_put_back_is_there_at_once_and_taking_it_back_brings_all_that_came_after()
    {
        await using var house = await TestHouse.OpenAsync();
        var owner = await house.CoachAsync();
        await owner.PostAsync("/Athletes", "/Athletes?handler=Add", ("name", "Ada Berg"));
        await house.InDbAsync(async db =>
        {
            db.Athletes.Add(new Athlete { Name = "Before the copy", SquadId = 1 });
            return await db.SaveChangesAsync();
        });
        var made = await owner.PostAsync("/Settings/Backup", "/Settings/Backup?handler=Make");
        Assert.Equal(HttpStatusCode.Redirect, made.Code);
        var copy = Book(house).All().Single(c => c.Kind == CopyKind.Asked).Name;
        await house.InDbAsync(async db =>
        {
            db.Athletes.Add(new Athlete { Name = "After the copy", SquadId = 1 });
            return await db.SaveChangesAsync();
        });

        var look = await owner.PostAsync("/Settings/Backup", "/Settings/Backup?handler=Look", ("name", copy));
        Assert.Contains("Harbour Runners", look.Page.QuerySelector("#look .holds")!.TextContent);
        var unsure = await owner.PostAsync("/Settings/Backup", "/Settings/Backup?handler=Back", ("name", copy));
        Assert.Contains("Tick", unsure.Page.QuerySelector("#look .wrong")!.TextContent);
        Assert.Contains("After the copy", (await owner.PageAsync("/Athletes")).Body!.TextContent);

        var back = await owner.PostAsync("/Settings/Backup", "/Settings/Backup?handler=Back", ("name", copy), ("sure", "yes"));
        Assert.Equal(HttpStatusCode.Redirect, back.Code);
        var people = (await owner.PageAsync("/Athletes")).Body!.TextContent;
        Assert.Contains("Before the copy", people);
        Assert.DoesNotContain("After the copy", people);
        Assert.Equal("wal", await house.InDbAsync(async db => (await db.Database.SqlQueryRaw<string>("PRAGMA journal_mode").ToListAsync()).Single()));

        var aside = Book(house).All().Single(c => c.Kind == CopyKind.Aside).Name;
        var toast = await owner.PageAsync(back.Response.Headers.Location!.ToString());
        Assert.Equal(aside, toast.QuerySelector(".toast-bar input[name=name]")!.GetAttribute("value"));
        await owner.PostAsync("/Settings/Backup", "/Settings/Backup?handler=Back", ("name", aside), ("sure", "yes"));
        Assert.Contains("After the copy", (await owner.PageAsync("/Athletes")).Body!.TextContent);
    }

    [Fact]
    public async Task Twenty_copies_made_while_people_save_are_whole_and_none_is_newer_than_its_end()
    {
        await using var house = await TestHouse.OpenAsync(demo: true);
        var saved = 0;
        using var enough = new CancellationTokenSource();
        var writer = Task.Run(async () =>
        {
            while (!enough.IsCancellationRequested)
            {
                await house.InDbAsync(async db =>
                {
                    db.Athletes.Add(new Athlete { Name = $"Saved {saved + 1}", SquadId = 1 });
                    return await db.SaveChangesAsync();
                });
                Interlocked.Increment(ref saved);
            }
        });
        for (var i = 0; i < 20; i++)
        {
            var acknowledged = Volatile.Read(ref saved);
            var path = Temp();
            await Book(house).WriteAsync(path);
            var after = Volatile.Read(ref saved);
            await using (var db = new ClubDb(new DbContextOptionsBuilder<ClubDb>().UseSqlite($"Data Source={path};Pooling=False").Options))
            {
                var there = await db.Athletes.CountAsync(a => a.Name.StartsWith("Saved "));
                Assert.InRange(there, acknowledged, after + 1);
            }

            File.Delete(path);
        }

        await enough.CancelAsync();
        await writer;
        Assert.True(saved > 20);
    }

    [Fact]
    public async Task A_folder_without_room_gives_a_message_and_leaves_no_half_copy()
    {
        await using var house = await TestHouse.OpenAsync(demo: true);

        // A file where the folder of copies should be: nothing can be written there, whoever runs this.
        await File.WriteAllTextAsync(Book(house).Copies, "");
        await Assert.ThrowsAsync<CopyProblem>(() => Book(house).MakeAsync(CopyKind.Asked));
        File.Delete(Book(house).Copies);
        var also = Path.Combine(house.Options.DataFolder, "taken");
        await File.WriteAllTextAsync(also, "");
        var problem = await Assert.ThrowsAsync<CopyProblem>(() => Book(house).MakeAsync(CopyKind.Asked, also));
        Assert.Contains("but not in", problem.Message);
        Assert.Single(Book(house).All());
        Assert.Empty(Directory.GetFiles(Book(house).Copies, "*.part"));
    }

    [Fact]
    public async Task One_copy_a_day_is_made_by_itself_and_as_many_are_kept_as_the_owner_says()
    {
        await using var house = await TestHouse.OpenAsync();
        await house.CoachAsync();
        var daily = house.Services.GetRequiredService<DailyCopies>();
        await daily.LookAsync(CancellationToken.None);
        await daily.LookAsync(CancellationToken.None);
        Assert.Single(Book(house).All(), c => c.Kind == CopyKind.Daily);
        Assert.False(Book(house).IsDue());
        for (var day = 1; day <= 5; day++)
        {
            File.Copy(Path.Combine(Book(house).Copies, Book(house).All()[0].Name), Path.Combine(Book(house).Copies, $"club-daily-2026010{day}-030000-000.db"));
        }

        await Book(house).MakeAsync(CopyKind.Asked);
        Book(house).Thin(3);
        var left = Book(house).All();
        Assert.Equal(3, left.Count(c => c.Kind == CopyKind.Daily));
        Assert.Contains(left, c => c.Name.StartsWith("club-daily-20260105", StringComparison.Ordinal));
        Assert.DoesNotContain(left, c => c.Name.StartsWith("club-daily-20260103", StringComparison.Ordinal));
        Assert.Single(left, c => c.Kind == CopyKind.Asked);
    }

    [Fact]
    public async Task A_second_program_a_missing_file_and_a_missing_log_are_told_and_the_last_good_copy_is_named()
    {
        var house = await TestHouse.OpenAsync();
        await house.CoachAsync();
        var (folder, book) = (house.Options.DataFolder, Book(house));
        await using (var second = House.Build([], house.Options))
        {
            Assert.Contains("Another Inch Burst", (await Assert.ThrowsAsync<HouseProblem>(() => House.PrepareAsync(second))).Message);
        }

        var good = await book.MakeAsync(CopyKind.Asked);
        await house.CloseAsync();
        try
        {
            var file = Path.Combine(folder, "club.db");
            File.Move(file, file + ".away");
            var missing = await RefusedAsync(house.Options);
            Assert.Contains("club.db is missing", missing);
            Assert.Contains(good, missing);
            await File.WriteAllBytesAsync(file, []);
            Assert.Contains("club.db is empty", await RefusedAsync(house.Options));
            File.Move(file + ".away", file, true);

            // As a kill leaves it: still marked as open; then the log is lost or scratched.
            var mark = Path.Combine(folder, "club.mark");
            await File.WriteAllTextAsync(mark, (await File.ReadAllTextAsync(mark)).Replace("false", "true", StringComparison.Ordinal));
            Assert.Contains("log of the last saves (club.db-wal) is missing", await RefusedAsync(house.Options));
            await File.WriteAllBytesAsync(file + "-wal", Enumerable.Repeat((byte)9, 5000).ToArray());
            Assert.Contains("is damaged", await RefusedAsync(house.Options));
            File.Delete(file + "-wal");

            // A damaged file cannot be copied; it is moved aside as it is. A whole one is never moved.
            await using (var raw = new FileStream(file, FileMode.Open))
            {
                raw.Seek(4096 * 3, SeekOrigin.Begin);
                await raw.WriteAsync(Enumerable.Repeat((byte)0xAB, 4096 * 40).ToArray());
            }

            using var said = new StringWriter();
            Assert.Equal(0, await HouseCommands.RunAsync(house.Options with { Command = ("restore", good) }, TimeProvider.System, said));
            Assert.Contains("Put back. Harbour Runners", said.ToString());
            Assert.Single(Directory.GetFiles(book.Copies, "damaged-*.db"));
            Assert.Equal(0, await HouseCommands.RunAsync(house.Options with { Command = ("restore", good) }, TimeProvider.System, said));
            Assert.Single(Directory.GetFiles(book.Copies, "damaged-*.db"));
            await using var again = await TestHouse.OpenAsync(folder: folder);
            Assert.True(await again.InDbAsync(db => db.Clubs.AnyAsync()));
        }
        finally
        {
            if (Directory.Exists(folder))
            {
                Directory.Delete(folder, true);
            }
        }
    }

    [Theory]
    [InlineData("INT")]
    [InlineData("TERM")]
    public async Task A_stop_by_signal_ends_in_order_and_a_kill_does_not(string signal)
    {
        var folder = Directory.CreateTempSubdirectory("stopped-").FullName;
        try
        {
            async Task<int> RunAsync(string by)
            {
                using var free = new System.Net.Sockets.TcpListener(IPAddress.Loopback, 0);
                free.Start();
                var port = ((IPEndPoint)free.LocalEndpoint).Port.ToString(System.Globalization.CultureInfo.InvariantCulture);
                free.Stop();

                // Through env, which lets a signal through that whoever runs the tests may have shut out.
                var start = new ProcessStartInfo("env") { RedirectStandardOutput = true, UseShellExecute = false };
                string[] arguments = ["--default-signal=INT,TERM", "dotnet", typeof(House).Assembly.Location, "--content", Path.Combine(Repository.Root, "src/InchBurst.Web"), "--data", folder, "--port", port];
                foreach (var argument in arguments)
                {
                    start.ArgumentList.Add(argument);
                }

                using var program = Process.Start(start)!;
                using var limit = new CancellationTokenSource(TimeSpan.FromSeconds(60));
                Assert.Contains("is ready", await program.StandardOutput.ReadLineAsync(limit.Token));
                using (var kill = Process.Start("kill", $"-{by} {program.Id}"))
                {
                    await kill.WaitForExitAsync(limit.Token);
                }

                await program.WaitForExitAsync(limit.Token);
                return program.ExitCode;
            }

            bool IsOpen() => JsonSerializer.Deserialize<FolderMark>(File.ReadAllText(Path.Combine(folder, "club.mark")))!.IsOpen;
            Assert.Equal(0, await RunAsync(signal));
            Assert.False(IsOpen());
            Assert.False(File.Exists(Path.Combine(folder, "club.db-wal")) && new FileInfo(Path.Combine(folder, "club.db-wal")).Length > 0);
            Assert.NotEqual(0, await RunAsync("KILL"));
            Assert.True(IsOpen());
            Assert.Equal(0, await RunAsync(signal));
            Assert.False(IsOpen());
        }
        finally
        {
            Directory.Delete(folder, true);
        }
    }

    [Fact]
    public async Task A_log_scratched_anywhere_but_at_its_end_and_an_old_file_beside_a_newer_log_are_found()
    {
        await using var house = await TestHouse.OpenAsync();
        var owner = await house.CoachAsync();
        var (folder, left) = (house.Options.DataFolder, Directory.CreateTempSubdirectory("left-").FullName);
        try
        {
            var copy = await Book(house).MakeAsync(CopyKind.Asked);
            for (var i = 0; i < 6; i++)
            {
                await owner.PostAsync("/Athletes", "/Athletes?handler=AddMany", ("squad", "1"), ("names", $"Runner {(char)('A' + i)}"));
            }

            // As a kill leaves the folder: file, log and mark as they are just now.
            foreach (var name in new[] { "club.db", "club.db-wal", "club.mark" })
            {
                File.Copy(Path.Combine(folder, name), Path.Combine(left, name));
            }

            var (file, wal) = (Path.Combine(left, "club.db"), Path.Combine(left, "club.db-wal"));
            var (whole, log) = (await File.ReadAllBytesAsync(file), await File.ReadAllBytesAsync(wal));
            const int Frame = 24 + 4096;
            var frames = (log.Length - 32) / Frame;
            Assert.True(frames > 12, $"{frames}");

            // Wherever it was cut off, it is a save that was being written.
            foreach (var length in new[] { log.Length, log.Length - 1, log.Length - Frame, 32 + (Frame * 3) + 9, 32, 0 })
            {
                await File.WriteAllBytesAsync(wal, log[..length]);
                Assert.Null(WriteAheadLog.Problem(wal));
            }

            // Scratched in a page, a sum, a salt or a page number: found, as a whole save stands behind it.
            foreach (var at in new[] { 32 + 100, 32 + 17, 32 + (Frame * 4) + 9, 32 + (Frame * 4), 32 + (Frame * (frames / 2)) + 24 + 4095, 32 + (Frame * 6) + 12 })
            {
                var scratched = (byte[])log.Clone();
                scratched[at] ^= 0x10;
                await File.WriteAllBytesAsync(wal, scratched);
                Assert.Equal("is damaged in its middle", WriteAheadLog.Problem(wal));
                Assert.Contains("is damaged in its middle", await FolderGuard.ProblemAsync(left));
            }

            foreach (var at in Enumerable.Range(0, 32))
            {
                var scratched = (byte[])log.Clone();
                scratched[at] ^= 0x10;
                await File.WriteAllBytesAsync(wal, scratched);
                Assert.Equal("is damaged", WriteAheadLog.Problem(wal));
            }

            // What an earlier round of the log left behind its end is not of this one.
            var older = log[(32 + (Frame * 3))..].ToArray();
            for (var at = 0; at < older.Length; at += Frame)
            {
                older[at + 11]--;
            }

            await File.WriteAllBytesAsync(wal, [.. log[..(32 + (Frame * 3))], .. older]);
            Assert.Null(WriteAheadLog.Problem(wal));

            // An older copy put in the file's place beside the log; without the log's program having been killed it is nobody's business.
            await File.WriteAllBytesAsync(wal, log);
            Assert.Null(await FolderGuard.ProblemAsync(left));
            File.Copy(copy, file, true);
            Assert.Contains("is not the file that the log beside it", await FolderGuard.ProblemAsync(left));
            await File.WriteAllBytesAsync(wal, log);
            await File.WriteAllBytesAsync(file, whole);
            Assert.Null(await FolderGuard.ProblemAsync(left));

            // Put back by the program itself it is the file of this opening, and a kill after that starts.
            await new CopyBook(folder, TimeProvider.System).PutBackAsync(copy);
            await owner.PostAsync("/Athletes", "/Athletes?handler=AddMany", ("squad", "1"), ("names", "Runner Z"));
            foreach (var name in new[] { "club.db", "club.db-wal", "club.mark" })
            {
                File.Copy(Path.Combine(folder, name), Path.Combine(left, name), true);
            }

            Assert.Null(await FolderGuard.ProblemAsync(left));
        }
        finally
        {
            Directory.Delete(left, true);
        }
    }

    private static async Task<string> RefusedAsync(HouseOptions options)
    {
        await using var app = House.Build([], options);
        return (await Assert.ThrowsAsync<HouseProblem>(() => House.PrepareAsync(app))).Message;
    }

    [Fact]
    public async Task The_command_line_copies_checks_and_gives_a_forgotten_owner_a_password()
    {
        await using var house = await TestHouse.OpenAsync();
        await house.CoachAsync();
        var to = Temp();
        async Task<(int Code, string Said)> Do(string verb, string with)
        {
            using var said = new StringWriter();
            var code = await HouseCommands.RunAsync(house.Options with { Command = (verb, with) }, TimeProvider.System, said);
            return (code, said.ToString());
        }

        Assert.Equal(0, (await Do("backup", to)).Code);
        Assert.Contains("whole. Harbour Runners: 0 athletes", (await Do("check", to)).Said);
        await File.WriteAllTextAsync(to, "not a club at all");
        Assert.Equal(4, (await Do("check", to)).Code);
        File.Delete(to);
        Assert.Contains("Another Inch Burst", (await Do("restore", to)).Said);
        Assert.Contains("There are: Odalys Brandvold", (await Do("new-password", "Nobody")).Said);

        var given = (await Do("new-password", "Odalys Brandvold")).Said.Split(": ")[1].Trim();
        var visitor = house.Visitor();
        Assert.Equal(HttpStatusCode.OK, (await visitor.PostAsync("/SignIn", "/SignIn", ("Input.Name", "Odalys Brandvold"), ("Input.Password", "long enough"))).Code);
        Assert.Equal(HttpStatusCode.Redirect, (await visitor.PostAsync("/SignIn", "/SignIn", ("Input.Name", "Odalys Brandvold"), ("Input.Password", given))).Code);
        Assert.Equal("/You", (await visitor.GetAsync("/Athletes")).Response.Headers.Location!.ToString());
        Assert.Equal(HttpStatusCode.Redirect, (await visitor.PostAsync("/You", "/You?handler=Password", ("old", given), ("fresh", "my very own words"), ("again", "my very own words"))).Code);
        Assert.Equal(HttpStatusCode.OK, (await visitor.GetAsync("/Athletes")).Code);
    }
}
