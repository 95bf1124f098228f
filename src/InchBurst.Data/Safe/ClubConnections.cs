using System.Collections.Concurrent;
using Microsoft.Data.Sqlite;
using SQLitePCL;

namespace InchBurst.Data.Safe;

/// <summary>
/// Connections to the club's file, kept open between requests and lent to one context at a time.
/// The driver's own pool is not used: when two requests open at the same moment it can give both of them one connection
/// (a connection is marked as in use before its user is noted, and is then taken for one that was left behind), so that the
/// rows of one are saved or undone with the transaction of the other.
/// </summary>
/// <param name="dataFolder">The folder that holds club.db.</param>
public sealed class ClubConnections(string dataFolder) : IDisposable
{
    private const int MostKept = 16;

    private readonly ConcurrentBag<SqliteConnection> idle = [];

    private volatile bool ended;

    private int lent;

    /// <summary>How many are lent just now.</summary>
    public int Lent => Volatile.Read(ref lent);

    /// <summary>An open connection that nobody else has until it is given back.</summary>
    /// <exception cref="SqliteException">The file cannot be opened.</exception>
    public SqliteConnection Lend()
    {
        ObjectDisposedException.ThrowIf(ended, this);
        if (idle.TryTake(out var kept))
        {
            Interlocked.Increment(ref lent);
            return kept;
        }

        var fresh = new SqliteConnection(ClubFile.ConnectionString(dataFolder));
        try
        {
            fresh.Open();
            fresh.Handle!.enable_sqlite3_next_stmt(true);
            Interlocked.Increment(ref lent);
            return fresh;
        }
        catch
        {
            fresh.Dispose();
            throw;
        }
    }

    /// <summary>Takes a connection back. One that was left in the middle of a transaction or of a statement is closed, which undoes what was not committed.</summary>
    /// <param name="connection">As it was lent.</param>
    public void TakeBack(SqliteConnection connection)
    {
        Interlocked.Decrement(ref lent);
        if (ended || idle.Count >= MostKept || !IsAtRest(connection))
        {
            connection.Dispose();
            return;
        }

        idle.Add(connection);
        if (ended)
        {
            CloseIdle();
        }
    }

    /// <summary>Closes what is kept; what is lent is closed when it comes back.</summary>
    public void Dispose()
    {
        ended = true;
        CloseIdle();
    }

    private void CloseIdle()
    {
        while (idle.TryTake(out var kept))
        {
            kept.Dispose();
        }
    }

    private static bool IsAtRest(SqliteConnection connection)
    {
        if (connection.Handle is not { IsInvalid: false } handle || raw.sqlite3_get_autocommit(handle) == 0)
        {
            return false;
        }

        for (var statement = raw.sqlite3_next_stmt(handle, null); statement is not null; statement = raw.sqlite3_next_stmt(handle, statement))
        {
            if (raw.sqlite3_stmt_busy(statement) != 0)
            {
                return false;
            }
        }

        return true;
    }
}

/// <summary>The connection of one request.</summary>
/// <param name="all">Where it is from.</param>
public sealed class LentConnection(ClubConnections all) : IDisposable
{
    /// <summary>Open, and nobody else's.</summary>
    public SqliteConnection Connection { get; } = all.Lend();

    public void Dispose() => all.TakeBack(Connection);
}
