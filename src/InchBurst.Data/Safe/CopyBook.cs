using System.Globalization;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data.Safe;

/// <summary>Why a copy was made; the word stands in its name.</summary>
public enum CopyKind
{
    /// <summary>Made by itself, once a day; old ones go.</summary>
    Daily,

    /// <summary>Asked for by somebody.</summary>
    Asked,

    /// <summary>The club as it was before another was put in its place.</summary>
    Aside,

    /// <summary>Made before the file's form was changed.</summary>
    Before,
}

/// <summary>A copy of the club in the folder of copies.</summary>
/// <param name="Name">Name of its file.</param>
/// <param name="At">When it was made, UTC.</param>
/// <param name="Bytes">Its size.</param>
/// <param name="Kind">Why it was made.</param>
public sealed record CopyFile(string Name, DateTime At, long Bytes, CopyKind Kind);

/// <summary>A copy could not be made or put back; the message is for people.</summary>
public sealed class CopyProblem(string message, Exception? inner = null) : Exception(message, inner);

/// <summary>Copies of the club's file: made while people save, read through before they count, put back whole or not at all.</summary>
/// <param name="folder">The club's folder.</param>
/// <param name="clock">The time.</param>
public sealed class CopyBook(string folder, TimeProvider clock)
{
    private static readonly SemaphoreSlim OneAtATime = new(1, 1);

    /// <summary>Where copies lie.</summary>
    public string Copies { get; } = Path.Combine(folder, "copies");

    /// <summary>The club's file.</summary>
    public string Club { get; } = Path.Combine(folder, "club.db");

    /// <summary>Copies there are, the latest first.</summary>
    public IReadOnlyList<CopyFile> All() => !Directory.Exists(Copies) ? [] : [.. Directory.EnumerateFiles(Copies, "club-*.db").Select(Of).OrderByDescending(c => c.At).ThenByDescending(c => c.Name, StringComparer.Ordinal)];

    /// <summary>Path of a copy by its name, or null for a name that is none; nothing outside the folder is ever reached.</summary>
    /// <param name="name">The name.</param>
    public string? PathOf(string? name) => All().FirstOrDefault(c => c.Name == name) is { } copy ? Path.Combine(Copies, copy.Name) : null;

    /// <summary>Makes a copy, safe while others save, reads it through, and only then gives it its name. Gives its path.</summary>
    /// <param name="kind">Why.</param>
    /// <param name="also">A second folder to put it into, or empty.</param>
    /// <param name="cancel">Gives up.</param>
    /// <exception cref="CopyProblem">The disk is full, or the copy is not whole; nothing is left behind.</exception>
    public async Task<string> MakeAsync(CopyKind kind, string also = "", CancellationToken cancel = default)
    {
        await OneAtATime.WaitAsync(cancel);
        try
        {
            MakeFolder();
            var name = $"club-{kind.ToString().ToLowerInvariant()}-{clock.GetUtcNow():yyyyMMdd-HHmmss-fff}.db";
            var path = Path.Combine(Copies, name);
            await WriteAsync(path, cancel);
            if (also.Length > 0)
            {
                await PutAlsoAsync(path, also, cancel);
            }

            return path;
        }
        finally
        {
            OneAtATime.Release();
        }
    }

    /// <summary>Writes a whole copy to a path of the caller's own.</summary>
    /// <param name="path">Where to; a file there is replaced only once the new one is whole.</param>
    /// <param name="cancel">Gives up.</param>
    /// <exception cref="CopyProblem">It could not be made; what was there stays.</exception>
    public async Task WriteAsync(string path, CancellationToken cancel = default)
    {
        var part = path + ".part";
        try
        {
            await using (var source = Open(Club, SqliteOpenMode.ReadWrite))
            await using (var target = Open(part, SqliteOpenMode.ReadWriteCreate))
            {
                await source.OpenAsync(cancel);
                await target.OpenAsync(cancel);
                source.BackupDatabase(target);

                // One file by itself, without a log beside it.
                await using var single = target.CreateCommand();
                // And no longer the file of this opening: put beside its log by hand it is told apart.
                single.CommandText = "PRAGMA journal_mode=DELETE; PRAGMA user_version=0";
                await single.ExecuteScalarAsync(cancel);
            }

            if ((await ClubLook.AtAsync(part, cancel)).Problem is { } problem && problem != NoClubYet)
            {
                throw new CopyProblem($"The copy is not whole and was thrown away. {problem}");
            }

            await using (var written = new FileStream(part, FileMode.Open, FileAccess.ReadWrite))
            {
                written.Flush(true);
            }

            OwnerOnly(part);
            File.Move(part, path, true);
        }
        catch (Exception e) when (e is SqliteException or IOException or UnauthorizedAccessException)
        {
            throw new CopyProblem(IsFull(e) ? "There is no room left on the disk, so no copy was made. What was saved is safe; make room and try again." : $"No copy could be made: {e.Message}", e);
        }
        finally
        {
            foreach (var left in new[] { part, part + "-journal", part + "-wal", part + "-shm" })
            {
                File.Delete(left);
            }
        }
    }

    private const string NoClubYet = "There is no club in this file.";

    /// <summary>True when today's copy is still to be made.</summary>
    public bool IsDue()
    {
        var today = DateOnly.FromDateTime(clock.GetLocalNow().DateTime);
        return !All().Any(c => c.Kind == CopyKind.Daily && DateOnly.FromDateTime(TimeZoneInfo.ConvertTimeFromUtc(c.At, clock.LocalTimeZone)) == today);
    }

    /// <summary>Throws the oldest daily copies away beyond a number; copies that somebody asked for stay.</summary>
    /// <param name="kept">How many stay.</param>
    public void Thin(int kept)
    {
        foreach (var old in All().Where(c => c.Kind == CopyKind.Daily).Skip(Math.Max(1, kept)))
        {
            File.Delete(Path.Combine(Copies, old.Name));
        }
    }

    /// <summary>
    /// Puts another club's file in the place of this one, in one transaction that SQLite keeps or gives up whole, after the present club was put aside.
    /// Gives the name of that copy.
    /// </summary>
    /// <param name="from">The file; it is not changed.</param>
    /// <param name="cancel">Gives up before anything is changed.</param>
    /// <exception cref="CopyProblem">The file cannot be used, or there is no room; the club is as it was.</exception>
    public async Task<string> PutBackAsync(string from, CancellationToken cancel = default)
    {
        var work = Path.Combine(folder, $"restore-{Guid.NewGuid():N}.db");
        var aside = "";
        try
        {
            if ((await ClubLook.AtAsync(from, cancel)).Problem is { } problem)
            {
                throw new CopyProblem(problem);
            }

            // Brought up to date apart, so that a file that cannot be is found before anything is touched.
            await using (var source = Open(from, SqliteOpenMode.ReadOnly))
            await using (var target = Open(work, SqliteOpenMode.ReadWriteCreate))
            {
                await source.OpenAsync(cancel);
                await target.OpenAsync(cancel);
                source.BackupDatabase(target);
            }

            await using (var db = new ClubDb(new DbContextOptionsBuilder<ClubDb>().UseSqlite($"Data Source={work};Pooling=False").Options))
            {
                await db.Database.MigrateAsync(cancel);
                await TrialFill.RunAsync(db, new CatalogueShelf().Current(db), cancel);

                // It becomes the file of the opening that has the folder.
                var stamp = $"PRAGMA user_version={FolderGuard.StampOf(folder).ToString(CultureInfo.InvariantCulture)}";
                await db.Database.ExecuteSqlRawAsync(stamp, cancel);
            }

            aside = File.Exists(Club) && new FileInfo(Club).Length > 0 ? await AsideAsync(cancel) : "";
            await using (var source = Open(work, SqliteOpenMode.ReadOnly))
            await using (var target = Open(Club, SqliteOpenMode.ReadWriteCreate))
            {
                await source.OpenAsync(cancel);
                await target.OpenAsync(cancel);
                source.BackupDatabase(target);
            }

            return aside;
        }
        catch (Exception e) when (e is SqliteException or IOException or UnauthorizedAccessException)
        {
            if (aside.StartsWith(Damaged, StringComparison.Ordinal))
            {
                Move(Path.Combine(Copies, aside), Club);
            }

            throw new CopyProblem(IsFull(e) ? "There is no room left on the disk. The club is as it was." : $"It could not be put back: {e.Message} The club is as it was.", e);
        }
        finally
        {
            foreach (var left in new[] { work, work + "-journal", work + "-wal", work + "-shm" })
            {
                File.Delete(left);
            }
        }
    }

    private void MakeFolder()
    {
        try
        {
            Directory.CreateDirectory(Copies);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            throw new CopyProblem($"No copy could be made: {e.Message}", e);
        }
    }

    private const string Damaged = "damaged-";

    // A file goes with its log.
    private static void Move(string from, string to)
    {
        foreach (var tail in new[] { "", "-wal", "-shm" })
        {
            if (File.Exists(from + tail))
            {
                File.Move(from + tail, to + tail, true);
            }
            else
            {
                File.Delete(to + tail);
            }
        }
    }

    // What is damaged cannot be copied page by page; it is moved aside as it is, with its log.
    private async Task<string> AsideAsync(CancellationToken cancel)
    {
        try
        {
            return Path.GetFileName(await MakeAsync(CopyKind.Aside, "", cancel));
        }
        catch (CopyProblem)
        {
            // Only a file that is damaged is moved; when there was no room, the club stays where it is.
            if ((await ClubLook.AtAsync(Club, cancel)).Problem is null)
            {
                throw;
            }

            MakeFolder();
            var name = $"{Damaged}{clock.GetUtcNow():yyyyMMdd-HHmmss-fff}.db";
            Move(Club, Path.Combine(Copies, name));
            return name;
        }
    }

    /// <summary>Lets only the owner of the machine's account read a file, where the system knows of such.</summary>
    /// <param name="path">The file.</param>
    public static void OwnerOnly(string path)
    {
        if (!OperatingSystem.IsWindows() && File.Exists(path))
        {
            File.SetUnixFileMode(path, UnixFileMode.UserRead | UnixFileMode.UserWrite);
        }
    }

    private static async Task PutAlsoAsync(string path, string also, CancellationToken cancel)
    {
        try
        {
            Directory.CreateDirectory(also);
            var to = Path.Combine(also, Path.GetFileName(path));
            await using (var read = File.OpenRead(path))
            await using (var write = new FileStream(to + ".part", FileMode.Create))
            {
                await read.CopyToAsync(write, cancel);
                write.Flush(true);
            }

            OwnerOnly(to + ".part");
            File.Move(to + ".part", to, true);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            if (Directory.Exists(also))
            {
                File.Delete(Path.Combine(also, Path.GetFileName(path) + ".part"));
            }

            throw new CopyProblem($"The copy is in {Path.GetDirectoryName(path)}, but not in {also}: {e.Message}", e);
        }
    }

    /// <summary>True when there was no room on the disk: 13 is SQLite's word for it, 28 (112 on Windows) the system's.</summary>
    /// <param name="e">What went wrong, or what that led to.</param>
    public static bool IsFull(Exception e) => (e.InnerException is { } inner && IsFull(inner)) || e is SqliteException { SqliteErrorCode: 13 } || (e is IOException io && ((io.HResult & 0xFFFF) is 28 or 112 || io.Message.Contains("No space", StringComparison.OrdinalIgnoreCase)));

    private static SqliteConnection Open(string path, SqliteOpenMode mode) => new(new SqliteConnectionStringBuilder { DataSource = path, Mode = mode, Pooling = false, DefaultTimeout = 30 }.ToString());

    private static CopyFile Of(string path)
    {
        var name = Path.GetFileName(path);
        var parts = Path.GetFileNameWithoutExtension(name).Split('-');
        var kind = parts.Length > 1 && Enum.TryParse<CopyKind>(parts[1], true, out var said) && Enum.IsDefined(said) ? said : CopyKind.Asked;
        var file = new FileInfo(path);
        var at = parts.Length >= 4 && DateTime.TryParseExact(string.Join('-', parts[^3..]), "yyyyMMdd-HHmmss-fff", CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal | DateTimeStyles.AdjustToUniversal, out var named) ? named : file.LastWriteTimeUtc;
        return new(name, at, file.Length, kind);
    }
}
