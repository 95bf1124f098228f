using System.Globalization;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data.Safe;

/// <summary>What a club's file holds, looked at without changing it.</summary>
/// <param name="Problem">Why it cannot be used, in a coach's words; null when it can.</param>
/// <param name="Club">Name of its club.</param>
/// <param name="Athletes">How many athletes, retired ones too.</param>
/// <param name="Sessions">How many sessions.</param>
/// <param name="Runs">How many runs.</param>
/// <param name="People">Names that sign in.</param>
/// <param name="LastDay">Day of its latest run or session, or null.</param>
/// <param name="IsOlder">True when it comes from an older program and is brought up to date when it is put back.</param>
/// <param name="IsDemo">True for the made-up club.</param>
public sealed record ClubLook(string? Problem, string Club = "", int Athletes = 0, int Sessions = 0, int Runs = 0, IReadOnlyList<string>? People = null, DateOnly? LastDay = null, bool IsOlder = false, bool IsDemo = false)
{
    private static readonly byte[] Beginning = "SQLite format 3\0"u8.ToArray();

    /// <summary>Reads a file through: whether SQLite finds it whole, whether it is a club's, and what is in it.</summary>
    /// <param name="path">The file.</param>
    /// <param name="cancel">Gives up.</param>
    /// <param name="isQuick">True passes over what takes long: whether every index agrees with its table.</param>
    public static async Task<ClubLook> AtAsync(string path, CancellationToken cancel = default, bool isQuick = false)
    {
        if (!File.Exists(path))
        {
            return new("There is no such file.");
        }

        if (await StartOfAsync(path, cancel) is { } problem)
        {
            return new(problem);
        }

        try
        {
            // Read only and by itself: looking changes nothing, makes no log beside it and leaves no connection behind.
            await using var connection = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = path, Mode = SqliteOpenMode.ReadOnly, Pooling = false }.ToString());
            await connection.OpenAsync(cancel);
            var check = await ScalarAsync(connection, isQuick ? "PRAGMA quick_check(1)" : "PRAGMA integrity_check(1)", cancel);
            if (check != "ok")
            {
                return new($"The file is damaged: {Short(check)}.");
            }

            if (await ScalarAsync(connection, "SELECT count(*) FROM sqlite_master WHERE type = 'table' AND name IN ('Clubs', 'Athletes', 'Sessions', 'Runs', '__EFMigrationsHistory')", cancel) != "5")
            {
                return new("This is a database of another program, not a club's.");
            }

            await using var db = new ClubDb(new DbContextOptionsBuilder<ClubDb>().UseSqlite(connection).Options);
            var known = db.Database.GetMigrations().ToHashSet();
            var applied = (await db.Database.GetAppliedMigrationsAsync(cancel)).ToList();
            if (applied.FirstOrDefault(a => !known.Contains(a)) is { } newer)
            {
                return new($"The file was written by a newer Inch Burst ({newer[..8]}). Update this machine first.");
            }

            if (applied.Count == 0 || await ScalarAsync(connection, "SELECT count(*) FROM Clubs", cancel) == "0")
            {
                return new("There is no club in this file.");
            }

            return new(
                null,
                await ScalarAsync(connection, "SELECT Name FROM Clubs LIMIT 1", cancel),
                await CountAsync(connection, "Athletes", "", cancel),
                await CountAsync(connection, "Sessions", " WHERE DeletedAt IS NULL", cancel),
                await CountAsync(connection, "Runs", " WHERE DeletedAt IS NULL", cancel),
                await NamesAsync(connection, cancel),
                DateOnly.TryParse(await ScalarAsync(connection, "SELECT max(Day) FROM (SELECT max(Day) AS Day FROM Runs UNION ALL SELECT max(Day) FROM Sessions WHERE State > 0)", cancel), CultureInfo.InvariantCulture, out var day) ? day : null,
                applied.Count < known.Count,
                await ScalarAsync(connection, "SELECT IsDemo FROM Clubs LIMIT 1", cancel) == "1");
        }
        catch (SqliteException e)
        {
            return new(e.SqliteErrorCode is 11 or 26 ? $"The file is damaged: {Short(e.Message)}." : $"The file cannot be read: {Short(e.Message)}.");
        }
    }

    // SQLite takes an empty file for a new database, and one cut short for a damaged one: both are said in words.
    private static async Task<string?> StartOfAsync(string path, CancellationToken cancel)
    {
        await using var file = new FileStream(path, FileMode.Open, FileAccess.Read, FileShare.ReadWrite | FileShare.Delete);
        if (file.Length == 0)
        {
            return "The file is empty.";
        }

        var start = new byte[100];
        var read = await file.ReadAtLeastAsync(start, start.Length, false, cancel);
        if (read < start.Length || !start.AsSpan(0, Beginning.Length).SequenceEqual(Beginning))
        {
            return "This is no copy of a club: it does not begin as a database does.";
        }

        var page = (start[16] << 8) | start[17];
        var pages = (start[28] << 24) | (start[29] << 16) | (start[30] << 8) | start[31];
        return pages > 0 && file.Length < (long)(page == 1 ? 65536 : page) * pages && !File.Exists(path + "-wal") ? "The file is cut short: part of it is missing." : null;
    }

    private static string Short(string text)
    {
        var line = text.ReplaceLineEndings(" ").Trim().TrimEnd('.');
        return line.Length > 120 ? line[..120] + "…" : line;
    }

    private static async Task<string> ScalarAsync(SqliteConnection connection, string sql, CancellationToken cancel)
    {
        await using var command = connection.CreateCommand();
        command.CommandText = sql;
        return Convert.ToString(await command.ExecuteScalarAsync(cancel), CultureInfo.InvariantCulture) ?? "";
    }

    // Files of older programs lack some columns; everything in them is counted then.
    private static async Task<int> CountAsync(SqliteConnection connection, string table, string where, CancellationToken cancel)
    {
        try
        {
            return int.Parse(await ScalarAsync(connection, $"SELECT count(*) FROM {table}{where}", cancel), CultureInfo.InvariantCulture);
        }
        catch (SqliteException e) when (e.SqliteErrorCode == 1 && where.Length > 0)
        {
            return await CountAsync(connection, table, "", cancel);
        }
    }

    private static async Task<IReadOnlyList<string>> NamesAsync(SqliteConnection connection, CancellationToken cancel)
    {
        await using var command = connection.CreateCommand();
        command.CommandText = "SELECT UserName FROM AspNetUsers ORDER BY UserName";
        await using var rows = await command.ExecuteReaderAsync(cancel);
        var names = new List<string>();
        while (await rows.ReadAsync(cancel))
        {
            names.Add(rows.GetString(0));
        }

        return names;
    }
}
