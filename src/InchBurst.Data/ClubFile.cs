using InchBurst.Data.Safe;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;

namespace InchBurst.Data;

/// <summary>The club's database file: where it lies, how it is opened, and how it is brought up to date.</summary>
public static class ClubFile
{
    /// <summary>How the file is opened. Without the driver's pool: <see cref="ClubConnections"/> keeps connections, and says why.</summary>
    /// <param name="dataFolder">The folder that holds club.db.</param>
    public static string ConnectionString(string dataFolder) => new SqliteConnectionStringBuilder
    {
        DataSource = Path.Combine(dataFolder, "club.db"),
        ForeignKeys = true,
        DefaultTimeout = 15,
        Pooling = false,
    }.ToString();

    /// <summary>Applies migrations, after putting a copy beside the file when it holds anything. Gives the copy's path, or null when none was needed.</summary>
    public static async Task<string?> BringUpToDateAsync(ClubDb db, string dataFolder, TimeProvider clock, CancellationToken cancel = default)
    {
        var file = Path.Combine(dataFolder, "club.db");
        string? copy = null;
        var pending = (await db.Database.GetPendingMigrationsAsync(cancel)).ToList();
        if (pending.Count > 0 && File.Exists(file) && new FileInfo(file).Length > 0 && (await db.Database.GetAppliedMigrationsAsync(cancel)).Any())
        {
            copy = await new CopyBook(dataFolder, clock).MakeAsync(CopyKind.Before, "", cancel);
        }

        if (pending.Count > 0)
        {
            await db.Database.MigrateAsync(cancel);
        }

        await TrialFill.RunAsync(db, new CatalogueShelf().Current(db), cancel);

        // WAL lets a reader and a writer work at once; FULL makes a saved rep survive a power cut as well as a kill.
        await db.Database.ExecuteSqlRawAsync("PRAGMA journal_mode=WAL; PRAGMA synchronous=FULL;", cancel);
        return copy;
    }
}

/// <summary>Lets dotnet-ef make migrations without the application.</summary>
public sealed class ClubDbDesign : IDesignTimeDbContextFactory<ClubDb>
{
    public ClubDb CreateDbContext(string[] args) =>
        new(new DbContextOptionsBuilder<ClubDb>().UseSqlite("Data Source=design.db").Options);
}
