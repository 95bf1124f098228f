using System.Data.Common;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata;
using Microsoft.EntityFrameworkCore.Storage;

namespace InchBurst.Data.Files;

/// <summary>
/// Many rows of one table by one prepared command, for files of a hundred thousand rows: the file is held for seconds instead of half a minute.
/// Columns and their forms are the model's own, so that a new column cannot be forgotten.
/// </summary>
public static class BulkRows
{
    /// <summary>Stores rows within the transaction that is open. Keys must be set.</summary>
    /// <param name="db">The club's file, with a transaction.</param>
    /// <param name="rows">The rows.</param>
    /// <param name="cancel">Gives up.</param>
    public static async Task InsertAsync<T>(ClubDb db, IEnumerable<T> rows, CancellationToken cancel = default)
        where T : class
    {
        var type = db.Model.FindEntityType(typeof(T)) ?? throw new InvalidOperationException($"{typeof(T).Name} is no table.");
        var table = StoreObjectIdentifier.Table(type.GetTableName()!);
        var columns = type.GetProperties().Select(p => (Name: p.GetColumnName(table)!, Property: p, p.GetTypeMapping().Converter)).ToList();
        await using var command = db.Database.GetDbConnection().CreateCommand();
        command.Transaction = db.Database.CurrentTransaction!.GetDbTransaction();
        command.CommandText = $"INSERT INTO {ClubTable.Quoted(table.Name)} ({string.Join(", ", columns.Select(c => ClubTable.Quoted(c.Name)))}) VALUES ({string.Join(", ", columns.Select((_, i) => $"$p{i}"))})";
        var parameters = new List<DbParameter>();
        for (var i = 0; i < columns.Count; i++)
        {
            var parameter = command.CreateParameter();
            parameter.ParameterName = $"$p{i}";
            command.Parameters.Add(parameter);
            parameters.Add(parameter);
        }

        foreach (var row in rows)
        {
            for (var i = 0; i < columns.Count; i++)
            {
                var value = columns[i].Property.PropertyInfo!.GetValue(row);
                parameters[i].Value = (columns[i].Converter is { } form ? form.ConvertToProvider(value) : value) ?? DBNull.Value;
            }

            await command.ExecuteNonQueryAsync(cancel);
        }
    }
}
