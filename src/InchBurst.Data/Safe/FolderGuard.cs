using System.Buffers.Binary;
using System.Text.Json;
using Microsoft.Data.Sqlite;

namespace InchBurst.Data.Safe;

/// <summary>What the folder says of how the club's file was left.</summary>
/// <param name="Club">Name of the club.</param>
/// <param name="IsOpen">True from when a program opened it until that program ended in order.</param>
public sealed record FolderMark(string Club, bool IsOpen);

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

        if (mark is { IsOpen: true } && LogProblem(file + "-wal") is { } log)
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
        using var first = keeper.CreateCommand();
        first.CommandText = "SELECT count(*) FROM sqlite_master";
        first.ExecuteScalar();
        Write(new(name, true));
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
            Write(new(club, false));
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

    // The head of a log: magic, format, page size, sequence, two salts, two sums (SQLite file format, section 4.1).
    private static string? LogProblem(string log)
    {
        if (!File.Exists(log))
        {
            return "is missing";
        }

        var all = File.ReadAllBytes(log);
        if (all.Length == 0)
        {
            return null;
        }

        if (all.Length < HeadBytes || BinaryPrimitives.ReadUInt32BigEndian(all) is not (0x377f0682 or 0x377f0683) || !SumsAgree(all))
        {
            return "is damaged";
        }

        return null;
    }

    private const int HeadBytes = 32;

    private static bool SumsAgree(byte[] log)
    {
        var isBig = (log[3] & 1) == 1;
        uint Word(int at) => isBig ? BinaryPrimitives.ReadUInt32BigEndian(log.AsSpan(at)) : BinaryPrimitives.ReadUInt32LittleEndian(log.AsSpan(at));
        uint first = 0, second = 0;
        for (var at = 0; at < HeadBytes - 8; at += 8)
        {
            first = unchecked(first + Word(at) + second);
            second = unchecked(second + Word(at + 4) + first);
        }

        return first == BinaryPrimitives.ReadUInt32BigEndian(log.AsSpan(24)) && second == BinaryPrimitives.ReadUInt32BigEndian(log.AsSpan(28));
    }
}
