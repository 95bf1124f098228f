using System.Buffers.Binary;
using System.Text.Json;
using Microsoft.Data.Sqlite;

namespace InchBurst.Data.Safe;

/// <summary>What the folder says of how the club's file was left.</summary>
/// <param name="Club">Name of the club.</param>
/// <param name="IsOpen">True from when a program opened it until that program ended in order.</param>
public sealed record FolderMark(string Club, bool IsOpen)
{
    /// <summary>What this opening wrote into the head of the file, so that another file put in its place beside the log is found; 0 for a folder of an older program.</summary>
    public int Stamp { get; init; }

    /// <summary>What the opening before wrote; the file may still carry it.</summary>
    public int Before { get; init; }
}

/// <summary>
/// Holds a club's folder for one program: nobody else may write in it, and what is missing or damaged in it is found before anything is opened.
/// One connection stays open as long as it is held, so that the log beside the file is there whenever the program did not end in order.
/// </summary>
public sealed class FolderGuard : IDisposable
{
    private readonly string folder;
    private readonly FileStream held;
    private SqliteConnection? keeper;
    private string club = "";
    private int stamp;

    private FolderGuard(string folder, FileStream held) => (this.folder, this.held) = (folder, held);

    /// <summary>Takes the folder, or gives null when another program has it.</summary>
    /// <param name="folder">The folder; made for its owner alone when it is not there.</param>
    public static FolderGuard? Take(string folder)
    {
        MakePrivate(folder);
        try
        {
            return new(folder, new FileStream(Path.Combine(folder, "club.lock"), FileMode.OpenOrCreate, FileAccess.ReadWrite, FileShare.None));
        }
        catch (IOException)
        {
            return null;
        }
    }

    /// <summary>Makes a folder that only the account which runs the program can look into.</summary>
    /// <param name="folder">The folder.</param>
    public static void MakePrivate(string folder)
    {
        Directory.CreateDirectory(folder);
        if (!OperatingSystem.IsWindows())
        {
            File.SetUnixFileMode(folder, UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute);
        }
    }

    /// <summary>What is wrong with the club's file, in one or two sentences; null when it can be opened.</summary>
    /// <param name="folder">The folder.</param>
    /// <param name="cancel">Gives up.</param>
    public static async Task<string?> ProblemAsync(string folder, CancellationToken cancel = default)
    {
        var file = Path.Combine(folder, "club.db");
        var mark = Mark(folder);
        var length = File.Exists(file) ? new FileInfo(file).Length : -1;
        if (length <= 0)
        {
            return mark is null ? null : $"There was the club “{mark.Club}” in {folder}, but club.db is {(length < 0 ? "missing" : "empty")}.";
        }

        if (mark is { IsOpen: true, Stamp: not 0 } && StampIn(file) is var stamp && stamp != mark.Stamp && stamp != mark.Before)
        {
            return $"The program did not end in order, and club.db is not the file that the log beside it (club.db-wal) belongs to: another, such as an older copy, was put in its place. Together they would be a mixture of both.";
        }

        if (mark is { IsOpen: true } && WriteAheadLog.Problem(file + "-wal") is { } log)
        {
            return $"The program did not end in order, and the log of the last saves (club.db-wal) {log}. Saves of the last minutes may be missing from what is left.";
        }

        var look = await ClubLook.AtAsync(file, cancel, isQuick: true);
        return look.Problem is { } problem && !problem.StartsWith("There is no club", StringComparison.Ordinal) ? $"{file}: {problem}" : null;
    }

    /// <summary>The latest copy that is whole, with what it holds; null when there is none.</summary>
    /// <param name="folder">The folder.</param>
    /// <param name="clock">The time.</param>
    /// <param name="cancel">Gives up.</param>
    public static async Task<(string Path, CopyFile Copy, ClubLook Look)?> LastGoodAsync(string folder, TimeProvider clock, CancellationToken cancel = default)
    {
        var book = new CopyBook(folder, clock);
        foreach (var copy in book.All())
        {
            var path = Path.Combine(book.Copies, copy.Name);
            if (await ClubLook.AtAsync(path, cancel) is { Problem: null } look)
            {
                return (path, copy, look);
            }
        }

        return null;
    }

    /// <summary>Notes that the file is open for a club, and keeps its log in being.</summary>
    /// <param name="name">Name of the club.</param>
    public void Opened(string name)
    {
        club = name;
        keeper = new(new SqliteConnectionStringBuilder { DataSource = Path.Combine(folder, "club.db"), Pooling = false }.ToString());
        keeper.Open();
        stamp = Random.Shared.Next(1, int.MaxValue);
        Write(new(name, true) { Stamp = stamp, Before = StampIn(Path.Combine(folder, "club.db")) });
        using var first = keeper.CreateCommand();
        first.CommandText = $"PRAGMA user_version={stamp}; PRAGMA wal_checkpoint(TRUNCATE); SELECT count(*) FROM sqlite_master";
        first.ExecuteScalar();
        Write(new(name, true) { Stamp = stamp, Before = StampIn(Path.Combine(folder, "club.db")) });
    }

    /// <summary>Notes that another file was put in its place as a whole, with nothing left in a log.</summary>
    /// <param name="name">Name of the club in it.</param>
    public void Settled(string name) => Write(new(name, false));

    /// <summary>What the opening that has the folder wrote into the file; 0 when none has it or it is of an older program.</summary>
    /// <param name="folder">The folder.</param>
    public static int StampOf(string folder) => Mark(folder)?.Stamp ?? 0;

    // The user version in the head of the file itself, whatever its log says (SQLite file format, section 1.3, offset 60).
    private static int StampIn(string file)
    {
        using var read = new FileStream(file, FileMode.Open, FileAccess.Read, FileShare.ReadWrite | FileShare.Delete);
        var head = new byte[64];
        return read.ReadAtLeast(head, head.Length, false) < head.Length ? 0 : BinaryPrimitives.ReadInt32BigEndian(head.AsSpan(60));
    }

    /// <summary>Brings the log into the file and notes that all is in it.</summary>
    public void Dispose()
    {
        if (keeper is not null)
        {
            using (var last = keeper.CreateCommand())
            {
                last.CommandText = "PRAGMA wal_checkpoint(TRUNCATE)";
                last.ExecuteScalar();
            }

            keeper.Dispose();
            keeper = null;
            Write(new(club, false) { Stamp = stamp });
        }

        held.Dispose();
    }

    private static FolderMark? Mark(string folder)
    {
        try
        {
            return JsonSerializer.Deserialize<FolderMark>(File.ReadAllText(Path.Combine(folder, "club.mark")));
        }
        catch (Exception e) when (e is IOException or JsonException)
        {
            return null;
        }
    }

    private void Write(FolderMark mark)
    {
        var path = Path.Combine(folder, "club.mark");
        File.WriteAllText(path + ".part", JsonSerializer.Serialize(mark));
        CopyBook.OwnerOnly(path + ".part");
        File.Move(path + ".part", path, true);
    }
}
