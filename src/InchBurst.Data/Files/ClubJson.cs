using System.Text.Json;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data.Files;

/// <summary>A file of a club could not be read; the message says where and why.</summary>
public sealed class FileProblem(string message) : Exception(message);

/// <summary>The whole club as one open file (docs/formats.md): every table and column, numbers as they are, days and words as text. Written and read without loss.</summary>
public sealed class ClubJson(ClubDb db)
{
    /// <summary>First words of the file.</summary>
    public const string Format = "inch-burst-club";

    private const int Form = 1;
    private const int RowsAStep = 500;

    /// <summary>Writes the club, a table after the other, each in the order of its key: the same club gives the same bytes.</summary>
    /// <param name="to">Where to.</param>
    /// <param name="cancel">Gives up.</param>
    public async Task WriteAsync(Stream to, CancellationToken cancel = default)
    {
        await using var writer = new Utf8JsonWriter(to, new JsonWriterOptions { Indented = true, Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping });
        await db.Database.OpenConnectionAsync(cancel);
        try
        {
            // One state of the file, whoever saves meanwhile.
            await using var still = await db.Database.BeginTransactionAsync(cancel);
            writer.WriteStartObject();
            writer.WriteString("format", Format);
            writer.WriteNumber("form", Form);
            writer.WriteStartObject("tables");
            foreach (var table in ClubTable.All(db))
            {
                writer.WriteStartArray(table.Name);
                await WriteRowsAsync(writer, to, table, "", 0, cancel);
                writer.WriteEndArray();
            }

            writer.WriteEndObject();
            writer.WriteEndObject();
            await writer.FlushAsync(cancel);
        }
        finally
        {
            await db.Database.CloseConnectionAsync();
        }
    }

    private async Task WriteRowsAsync(Utf8JsonWriter writer, Stream to, ClubTable table, string where, long id, CancellationToken cancel)
    {
        var done = 0;
        await foreach (var row in table.RowsAsync((SqliteConnection)db.Database.GetDbConnection(), where, id, cancel))
        {
            writer.WriteStartObject();
            for (var i = 0; i < row.Length; i++)
            {
                writer.WritePropertyName(table.Columns[i].Name);
                switch (row[i])
                {
                    case null:
                        writer.WriteNullValue();
                        break;
                    case long number:
                        writer.WriteNumberValue(number);
                        break;
                    case double number:
                        writer.WriteNumberValue(number);
                        break;
                    case string text:
                        writer.WriteStringValue(text);
                        break;
                    default:
                        throw new InvalidOperationException($"{table.Name}.{table.Columns[i].Name} holds what no file of a club has.");
                }
            }

            writer.WriteEndObject();
            if (++done % RowsAStep == 0)
            {
                await writer.FlushAsync(cancel);
            }
        }
    }

    /// <summary>Puts a club's file in the place of what is there; all of it or nothing. Accounts stay as they are.</summary>
    /// <param name="from">The file.</param>
    /// <param name="cancel">Gives up.</param>
    /// <returns>How many rows each table has now.</returns>
    /// <exception cref="FileProblem">Something in it is wrong; nothing was changed.</exception>
    public async Task<IReadOnlyDictionary<string, int>> ReadAsync(Stream from, CancellationToken cancel = default)
    {
        using var document = await ParseAsync(from, cancel);
        var tables = ClubTable.All(db);
        var given = TablesOf(document.RootElement, tables);
        var counts = new Dictionary<string, int>();
        await db.Database.OpenConnectionAsync(cancel);
        var connection = (SqliteConnection)db.Database.GetDbConnection();
        try
        {
            await using var all = await db.Database.BeginTransactionAsync(cancel);
            async Task Do(string sql)
            {
                await using var command = connection.CreateCommand();
                command.CommandText = sql;
                command.Transaction = (SqliteTransaction)Microsoft.EntityFrameworkCore.Storage.DbContextTransactionExtensions.GetDbTransaction(all);
                await command.ExecuteNonQueryAsync(cancel);
            }

            // Whether every row finds the one it belongs to is looked at when all are there.
            await Do("PRAGMA defer_foreign_keys=ON");
            foreach (var table in tables)
            {
                await Do($"DELETE FROM {ClubTable.Quoted(table.Name)}");
            }

            foreach (var table in tables)
            {
                counts[table.Name] = given.TryGetValue(table.Name, out var rows) ? await FillAsync(connection, all, table, rows, cancel) : 0;
            }

            if (await LooseAsync(connection, all, cancel) is { } loose)
            {
                throw new FileProblem(loose);
            }

            await ReadableAsync(cancel);
            await all.CommitAsync(cancel);
            return counts;
        }
        catch (SqliteException e)
        {
            throw new FileProblem($"The file does not fit together: {e.Message}");
        }
        finally
        {
            await db.Database.CloseConnectionAsync();
        }
    }

    private static async Task<JsonDocument> ParseAsync(Stream from, CancellationToken cancel)
    {
        try
        {
            var document = await JsonDocument.ParseAsync(from, new JsonDocumentOptions { MaxDepth = 16 }, cancel);
            var root = document.RootElement;
            if (root.ValueKind != JsonValueKind.Object || !root.TryGetProperty("format", out var format) || format.ValueKind != JsonValueKind.String || format.GetString() != Format)
            {
                document.Dispose();
                throw new FileProblem("This is not the file of a whole club: it does not begin with its format.");
            }

            if (!root.TryGetProperty("form", out var form) || form.ValueKind != JsonValueKind.Number || !form.TryGetInt32(out var number) || number is < 1 or > Form)
            {
                document.Dispose();
                throw new FileProblem("The file was written by a newer Inch Burst. Update this machine first.");
            }

            return document;
        }
        catch (JsonException e)
        {
            throw new FileProblem($"The file breaks off or is damaged at line {(e.LineNumber ?? 0) + 1}.");
        }
    }

    private static Dictionary<string, JsonElement> TablesOf(JsonElement root, IReadOnlyList<ClubTable> tables)
    {
        if (!root.TryGetProperty("tables", out var given) || given.ValueKind != JsonValueKind.Object)
        {
            throw new FileProblem("The file has no tables.");
        }

        var found = new Dictionary<string, JsonElement>();
        foreach (var table in given.EnumerateObject())
        {
            if (tables.All(t => t.Name != table.Name))
            {
                throw new FileProblem($"“{table.Name}” is no table known here; the file may come from a newer Inch Burst.");
            }

            if (table.Value.ValueKind != JsonValueKind.Array)
            {
                throw new FileProblem($"{table.Name} is no list of rows.");
            }

            found[table.Name] = table.Value;
        }

        return !found.TryGetValue("Clubs", out var clubs) || clubs.GetArrayLength() != 1 ? throw new FileProblem("The file must hold one club.") : found;
    }

    private static async Task<int> FillAsync(SqliteConnection connection, Microsoft.EntityFrameworkCore.Storage.IDbContextTransaction all, ClubTable table, JsonElement rows, CancellationToken cancel)
    {
        await using var insert = connection.CreateCommand();
        insert.Transaction = (SqliteTransaction)Microsoft.EntityFrameworkCore.Storage.DbContextTransactionExtensions.GetDbTransaction(all);
        insert.CommandText = $"INSERT INTO {ClubTable.Quoted(table.Name)} ({table.Selected}) VALUES ({string.Join(", ", table.Columns.Select((_, i) => "$" + i))})";
        var values = table.Columns.Select((_, i) => insert.Parameters.Add("$" + i, SqliteType.Text)).ToList();
        foreach (var value in values)
        {
            value.ResetSqliteType();
        }

        var known = table.Columns.Select(c => c.Name).ToHashSet();
        var at = 0;
        foreach (var row in rows.EnumerateArray())
        {
            at++;
            if (row.ValueKind != JsonValueKind.Object)
            {
                throw new FileProblem($"{table.Name}, row {at}: no row with named values.");
            }

            foreach (var strange in row.EnumerateObject().Where(v => !known.Contains(v.Name)))
            {
                throw new FileProblem($"{table.Name}, row {at}: “{strange.Name}” is no column known here; the file may come from a newer Inch Burst.");
            }

            for (var i = 0; i < values.Count; i++)
            {
                values[i].Value = ValueOf(table, table.Columns[i], row, at) ?? DBNull.Value;
            }

            try
            {
                await insert.ExecuteNonQueryAsync(cancel);
            }
            catch (SqliteException e)
            {
                throw new FileProblem($"{table.Name}, row {at}: {(e.SqliteExtendedErrorCode is 1555 or 2067 ? "it is there twice" : e.Message)}.");
            }
        }

        return at;
    }

    private static object? ValueOf(ClubTable table, ClubColumn column, JsonElement row, int at)
    {
        if (!row.TryGetProperty(column.Name, out var value))
        {
            return column.Usual;
        }

        return value.ValueKind switch
        {
            JsonValueKind.Null when column.IsNullable => null,
            JsonValueKind.String when column.IsText => value.GetString(),
            JsonValueKind.Number when !column.IsText && value.TryGetInt64(out var whole) => whole,
            JsonValueKind.Number when !column.IsText => value.GetDouble(),
            _ => throw new FileProblem($"{table.Name}, row {at}, {column.Name}: {(column.IsText ? "text" : "a number")} is wanted."),
        };
    }

    private static async Task<string?> LooseAsync(SqliteConnection connection, Microsoft.EntityFrameworkCore.Storage.IDbContextTransaction all, CancellationToken cancel)
    {
        await using var command = connection.CreateCommand();
        command.Transaction = (SqliteTransaction)Microsoft.EntityFrameworkCore.Storage.DbContextTransactionExtensions.GetDbTransaction(all);
        command.CommandText = "PRAGMA foreign_key_check";
        await using var rows = await command.ExecuteReaderAsync(cancel);
        return await rows.ReadAsync(cancel) ? $"A row of {rows.GetString(0)} belongs to one of {rows.GetString(2)} that is not in the file." : null;
    }

    // Every row is read once as the program reads it, so that a day that is none is found now and not by a page later.
    private async Task ReadableAsync(CancellationToken cancel)
    {
        foreach (var type in db.Model.GetEntityTypes().Where(t => !t.IsOwned() && !t.HasSharedClrType && ClubTable.All(db).Any(c => c.Name == t.GetTableName())))
        {
            try
            {
                await (Task)typeof(ClubJson).GetMethod(nameof(ReadAllAsync), System.Reflection.BindingFlags.NonPublic | System.Reflection.BindingFlags.Instance)!.MakeGenericMethod(type.ClrType).Invoke(this, [cancel])!;
            }
            catch (Exception e) when (e is FormatException or InvalidCastException or OverflowException or ArgumentException)
            {
                throw new FileProblem($"{type.GetTableName()}: a value in it cannot be read. {e.Message}");
            }
        }
    }

    private async Task ReadAllAsync<T>(CancellationToken cancel)
        where T : class
    {
        await foreach (var row in db.Set<T>().IgnoreQueryFilters().AsNoTracking().AsAsyncEnumerable().WithCancellation(cancel))
        {
            _ = row;
        }
    }

    /// <summary>Everything about one athlete: the rows that are theirs, table by table, runs with all that hangs on them.</summary>
    /// <param name="athleteId">Number of the athlete.</param>
    /// <param name="to">Where to.</param>
    /// <param name="cancel">Gives up.</param>
    public async Task WriteAthleteAsync(int athleteId, Stream to, CancellationToken cancel = default)
    {
        await using var writer = new Utf8JsonWriter(to, new JsonWriterOptions { Indented = true, Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping });
        await db.Database.OpenConnectionAsync(cancel);
        try
        {
            await using var still = await db.Database.BeginTransactionAsync(cancel);
            writer.WriteStartObject();
            writer.WriteString("format", "inch-burst-athlete");
            writer.WriteNumber("form", Form);
            writer.WriteStartObject("tables");
            foreach (var (table, where) in AthleteRows.Of(db))
            {
                writer.WriteStartArray(table.Name);
                await WriteRowsAsync(writer, to, table, where, athleteId, cancel);
                writer.WriteEndArray();
            }

            writer.WriteEndObject();
            writer.WriteEndObject();
            await writer.FlushAsync(cancel);
        }
        finally
        {
            await db.Database.CloseConnectionAsync();
        }
    }
}
