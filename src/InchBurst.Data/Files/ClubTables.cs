using System.Globalization;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata;

namespace InchBurst.Data.Files;

/// <summary>A column of the club's file.</summary>
/// <param name="Name">Its name.</param>
/// <param name="IsText">True for words and days; false for numbers.</param>
/// <param name="IsNullable">True when it may be empty.</param>
public sealed record ClubColumn(string Name, bool IsText, bool IsNullable)
{
    /// <summary>What stands in it where an older file says nothing.</summary>
    public object? Usual { get; init; }
}

/// <summary>A table of the club's file, as the program's own model says it, so that nothing new in it can be forgotten.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Columns">Its columns, in the order of their names.</param>
/// <param name="Key">Columns that tell rows apart.</param>
public sealed record ClubTable(string Name, IReadOnlyList<ClubColumn> Columns, IReadOnlyList<string> Key)
{
    /// <summary>Accounts and sign-ins stay on their machine: nobody's password leaves it.</summary>
    private static readonly string[] Kept = ["AspNet", "Visits"];

    /// <summary>Every table that belongs to the club, in the order of their names.</summary>
    /// <param name="db">The club's file.</param>
    public static IReadOnlyList<ClubTable> All(ClubDb db) =>
    [
        .. db.Model.GetRelationalModel().Tables.Where(t => !Kept.Any(k => t.Name.StartsWith(k, StringComparison.Ordinal))).OrderBy(t => t.Name, StringComparer.Ordinal)
            .Select(t => new ClubTable(t.Name, [.. t.Columns.OrderBy(c => c.Name, StringComparer.Ordinal).Select(Of)], [.. t.PrimaryKey!.Columns.Select(c => c.Name)])),
    ];

    /// <summary>The columns after SELECT.</summary>
    public string Selected => string.Join(", ", Columns.Select(c => Quoted(c.Name)));

    /// <summary>The key after ORDER BY.</summary>
    public string Ordered => string.Join(", ", Key.Select(Quoted));

    /// <summary>A name as SQL takes it.</summary>
    /// <param name="name">The name.</param>
    public static string Quoted(string name) => $"\"{name}\"";

    private static ClubColumn Of(IColumn column)
    {
        var type = column.PropertyMappings[0].Property;
        var isText = column.StoreType == "TEXT";
        var clr = Nullable.GetUnderlyingType(type.ClrType) ?? type.ClrType;
        object? usual = column.IsNullable ? null
            : !isText ? type.GetDefaultValue() is IConvertible said ? Convert.ToDouble(said, CultureInfo.InvariantCulture) : 0L
            : clr == typeof(Guid) ? Guid.Empty.ToString().ToUpperInvariant() : clr == typeof(DateOnly) ? "0001-01-01" : clr == typeof(DateTime) ? "0001-01-01 00:00:00" : clr == typeof(TimeOnly) ? "00:00:00" : "";
        return new(column.Name, isText, column.IsNullable) { Usual = usual };
    }

    /// <summary>Rows of this table, each with its values in the order of the columns.</summary>
    /// <param name="connection">An open connection.</param>
    /// <param name="where">A condition, or empty for all rows.</param>
    /// <param name="id">Value of $id in it.</param>
    /// <param name="cancel">Gives up.</param>
    public async IAsyncEnumerable<object?[]> RowsAsync(SqliteConnection connection, string where = "", long id = 0, [System.Runtime.CompilerServices.EnumeratorCancellation] CancellationToken cancel = default)
    {
        await using var command = connection.CreateCommand();
        command.CommandText = $"SELECT {Selected} FROM {Quoted(Name)}{(where.Length > 0 ? " WHERE " + where : "")} ORDER BY {Ordered}";
        if (where.Contains("$id", StringComparison.Ordinal))
        {
            command.Parameters.AddWithValue("$id", id);
        }

        await using var rows = await command.ExecuteReaderAsync(cancel);
        while (await rows.ReadAsync(cancel))
        {
            var row = new object?[Columns.Count];
            for (var i = 0; i < row.Length; i++)
            {
                row[i] = rows.IsDBNull(i) ? null : rows.GetValue(i);
            }

            yield return row;
        }
    }
}
