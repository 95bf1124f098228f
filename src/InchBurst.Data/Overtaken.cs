using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data;

/// <summary>When somebody else was quicker.</summary>
internal static class Overtaken
{
    /// <summary>How often a change is made again before it is given up; people at one track never collide that often.</summary>
    public const int MostTries = 8;

    /// <summary>True when the same row was stored by somebody else a moment ago.</summary>
    public static bool ByTheSame(DbUpdateException e) => e is not DbUpdateConcurrencyException && e.InnerException is SqliteException { SqliteErrorCode: 19 };
}
