using System.Text.RegularExpressions;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.ChangeTracking;

namespace InchBurst.Data;

/// <summary>What is changed in the club's file, in few words. What values were and are is not said: who reads the log of deeds need not read notes on health, and nothing of it has to be erased with an athlete.</summary>
internal static partial class ChangeWords
{
    private static readonly HashSet<Type> Own = [typeof(Visit), typeof(Deed), typeof(PlanRevision), typeof(ColumnMemory), typeof(ImportBatch), typeof(DoneCommand), typeof(RunStretch), typeof(RunReading), typeof(Mark)];
    private static readonly HashSet<string> Technical = ["Version", "Revision", "RanPlanJson", "SecurityStamp", "ConcurrencyStamp", "NormalizedUserName", "AccessFailedCount", "FlyingSpeed", "EstimatedSpeed", "GroupByMinutes"];

    /// <summary>What entries about to be saved change.</summary>
    /// <param name="entries">The entries.</param>
    public static IEnumerable<string> Of(IEnumerable<EntityEntry> entries)
    {
        foreach (var entry in entries.Where(e => e.State is EntityState.Added or EntityState.Modified or EntityState.Deleted && !Own.Contains(e.Entity.GetType()) && (e.Entity is AppUser || e.Entity.GetType().Assembly == typeof(ClubDb).Assembly)))
        {
            var name = Words(entry.Entity is AppUser ? "Account" : entry.Entity.GetType().Name);
            var fields = entry.State != EntityState.Modified ? [] : entry.Properties.Where(p => p.IsModified && !Equals(p.OriginalValue, p.CurrentValue) && !Technical.Contains(p.Metadata.Name)).Select(p => Field(p.Metadata.Name)).Distinct().ToList();
            if (entry.State == EntityState.Modified && fields.Count == 0)
            {
                continue;
            }

            yield return entry.State switch { EntityState.Added => $"new {name}", EntityState.Deleted => $"{name} removed", _ => fields.Contains("deleted") ? $"{name} removed" : $"{name}: {string.Join(", ", fields)}" };
        }
    }

    // HeightMetres is the height; PasswordHash the password.
    private static string Field(string name) => name switch
    {
        "MassKilograms" => "body mass",
        "DeletedAt" => "deleted",
        "RetiredAt" => "retired",
        "PasswordHash" => "password",
        _ => Words(Unit().Replace(name, "")),
    };

    private static string Words(string name) => Humps().Replace(name, " $1").ToLowerInvariant();

    [GeneratedRegex("(?<=[a-z])([A-Z])")]
    private static partial Regex Humps();

    [GeneratedRegex("(?<=[a-z])(Metres|Kilograms|Seconds|Minutes|Json|Id|On|At)$")]
    private static partial Regex Unit();
}
