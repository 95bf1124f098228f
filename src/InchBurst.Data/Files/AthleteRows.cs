using System.Text.Json;
using InchBurst.Data.Safe;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data.Files;

/// <summary>Which rows of the club's file are about one athlete, as the model says it: a table that names an athlete or a run is never forgotten.</summary>
public static class AthleteRows
{
    private const string Runs = "SELECT \"Id\" FROM \"Runs\" WHERE \"AthleteId\" = $id";

    /// <summary>The tables with the condition that finds an athlete's rows in them; those that hang on others come first.</summary>
    /// <param name="db">The club's file.</param>
    public static IReadOnlyList<(ClubTable Table, string Where)> Of(ClubDb db) =>
    [
        .. ClubTable.All(db).Select(t => (Table: t, Where: WhereOf(t))).Where(t => t.Where.Length > 0).OrderBy(t => Rank(t.Table.Name)).ThenBy(t => t.Table.Name, StringComparer.Ordinal),
    ];

    private static string WhereOf(ClubTable table) =>
        table.Name == "Athletes" ? "\"Id\" = $id"
        : table.Columns.FirstOrDefault(c => c.Name is "AthleteId" or "AthletesId") is { } column ? $"{ClubTable.Quoted(column.Name)} = $id"
        : table.Columns.Any(c => c.Name == "RunId") ? $"\"RunId\" IN ({Runs})"
        : "";

    private static int Rank(string table) => table switch { "Athletes" => 2, "Runs" => 1, _ => 0 };
}

/// <summary>What stays of an athlete after they were erased.</summary>
/// <param name="Rows">How many rows were taken out, by table.</param>
/// <param name="Mentions">Places where their name still stands in text that people wrote.</param>
/// <param name="Copies">Copies that still hold them.</param>
public sealed record Erased(IReadOnlyDictionary<string, int> Rows, IReadOnlyList<string> Mentions, IReadOnlyList<string> Copies);

/// <summary>Takes one athlete out of the club for good.</summary>
public sealed class AthleteEraser(ClubDb db, CopyBook copies)
{
    /// <summary>Name that stands in plans where the athlete's was.</summary>
    public const string Nobody = "erased athlete";

    // Documents in which a name can stand as a value of its own.
    private static readonly (string Table, string Column)[] Documents = [("Sessions", "PlanJson"), ("Sessions", "RanPlanJson"), ("PlanRevisions", "PlanJson"), ("KeptPlans", "PlanJson"), ("WeekSteps", "ChangesJson")];

    /// <summary>How many rows there are of an athlete, by table; nothing is changed.</summary>
    /// <param name="athleteId">Number of the athlete.</param>
    /// <param name="cancel">Gives up.</param>
    public async Task<IReadOnlyDictionary<string, int>> CountAsync(int athleteId, CancellationToken cancel = default)
    {
        await db.Database.OpenConnectionAsync(cancel);
        try
        {
            var counts = new Dictionary<string, int>();
            foreach (var (table, where) in AthleteRows.Of(db))
            {
                counts[table.Name] = (int)(long)(await DoAsync($"SELECT count(*) FROM {ClubTable.Quoted(table.Name)} WHERE {where}", athleteId, "", cancel))!;
            }

            return counts;
        }
        finally
        {
            await db.Database.CloseConnectionAsync();
        }
    }

    /// <summary>Erases an athlete: their rows, all that hangs on their runs, and their name in plans, in one step; freed pages are overwritten.</summary>
    /// <param name="athleteId">Number of the athlete.</param>
    /// <param name="cancel">Gives up.</param>
    /// <returns>What was taken out and what remains, or null when there is no such athlete.</returns>
    public async Task<Erased?> EraseAsync(int athleteId, CancellationToken cancel = default)
    {
        if (await db.Athletes.AsNoTracking().Where(a => a.Id == athleteId).Select(a => a.Name).SingleOrDefaultAsync(cancel) is not { } name)
        {
            return null;
        }

        var rows = await CountAsync(athleteId, cancel);
        await db.Database.OpenConnectionAsync(cancel);
        try
        {
            await DoAsync("PRAGMA secure_delete=ON", 0, "", cancel);
            await using (var all = await db.Database.BeginTransactionAsync(cancel))
            {
                foreach (var (table, where) in AthleteRows.Of(db))
                {
                    var delete = string.Concat("DELETE FROM ", ClubTable.Quoted(table.Name), " WHERE ", where.Replace("$id", "{0}", StringComparison.Ordinal));
                    await db.Database.ExecuteSqlRawAsync(delete, [athleteId], cancel);
                }

                await db.Database.ExecuteSqlAsync($"UPDATE Sessions SET CalledAthleteId = NULL WHERE CalledAthleteId = {athleteId}", cancel);
                var (was, now) = (JsonSerializer.Serialize(name), JsonSerializer.Serialize(Nobody));
                foreach (var (table, column) in Documents)
                {
                    // As both ways of writing the same name: with letters as they are, and with their numbers.
                    foreach (var written in new[] { was, $"\"{name}\"" }.Distinct())
                    {
                        var quoted = ClubTable.Quoted(column);
                        var update = string.Concat("UPDATE ", ClubTable.Quoted(table), " SET ", quoted, " = replace(", quoted, ", {0}, {1}) WHERE instr(", quoted, ", {0}) > 0");
                        await db.Database.ExecuteSqlRawAsync(update, [written, now], cancel);
                    }
                }

                var where_ = $"/Athletes/{athleteId}";
                await db.Database.ExecuteSqlAsync($"""UPDATE Deeds SET "Where" = '/Athletes' WHERE "Where" = {where_}""", cancel);
                await all.CommitAsync(cancel);
            }

            // What the log beside the file still holds is brought in and cut off.
            await DoAsync("PRAGMA wal_checkpoint(TRUNCATE)", 0, "", cancel);
        }
        finally
        {
            await db.Database.CloseConnectionAsync();
        }

        return new(rows, await MentionsAsync(name, cancel), await CopiesWithAsync(athleteId, name, cancel));
    }

    // Where people wrote the name into something of their own: it is shown, and theirs to change.
    private async Task<IReadOnlyList<string>> MentionsAsync(string name, CancellationToken cancel)
    {
        var found = new List<string>();
        await db.Database.OpenConnectionAsync(cancel);
        try
        {
            foreach (var table in ClubTable.All(db))
            {
                foreach (var column in table.Columns.Where(c => c.IsText))
                {
                    var count = (long)(await DoAsync($"SELECT count(*) FROM {ClubTable.Quoted(table.Name)} WHERE instr({ClubTable.Quoted(column.Name)}, $text) > 0", 0, name, cancel))!;
                    if (count > 0)
                    {
                        found.Add($"{table.Name}, {column.Name}: {count}");
                    }
                }
            }
        }
        finally
        {
            await db.Database.CloseConnectionAsync();
        }

        return found;
    }

    private async Task<IReadOnlyList<string>> CopiesWithAsync(int athleteId, string name, CancellationToken cancel)
    {
        var with = new List<string>();
        foreach (var copy in copies.All())
        {
            try
            {
                await using var connection = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = Path.Combine(copies.Copies, copy.Name), Mode = SqliteOpenMode.ReadOnly, Pooling = false }.ToString());
                await connection.OpenAsync(cancel);
                await using var command = connection.CreateCommand();
                command.CommandText = "SELECT count(*) FROM Athletes WHERE Id = $id AND Name = $name";
                command.Parameters.AddWithValue("$id", athleteId);
                command.Parameters.AddWithValue("$name", name);
                if (await command.ExecuteScalarAsync(cancel) is > 0L)
                {
                    with.Add(copy.Name);
                }
            }
            catch (SqliteException)
            {
                // A damaged copy cannot say; it is named, so that somebody looks.
                with.Add(copy.Name);
            }
        }

        return with;
    }

    private async Task<object?> DoAsync(string sql, long id, string text, CancellationToken cancel)
    {
        await using var command = ((SqliteConnection)db.Database.GetDbConnection()).CreateCommand();
        command.CommandText = sql;
        command.Transaction = db.Database.CurrentTransaction is { } now ? (SqliteTransaction)Microsoft.EntityFrameworkCore.Storage.DbContextTransactionExtensions.GetDbTransaction(now) : null;
        if (sql.Contains("$id", StringComparison.Ordinal))
        {
            command.Parameters.AddWithValue("$id", id);
        }

        if (sql.Contains("$text", StringComparison.Ordinal))
        {
            command.Parameters.AddWithValue("$text", text);
        }

        return await command.ExecuteScalarAsync(cancel);
    }
}
