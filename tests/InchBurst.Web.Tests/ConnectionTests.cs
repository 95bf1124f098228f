using System.Collections.Concurrent;
using System.Data;
using InchBurst.Data.Safe;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.DependencyInjection;

namespace InchBurst.Web.Tests;

/// <summary>A connection to the club's file is one request's alone, and comes back with nothing half done on it.</summary>
public sealed class ConnectionTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("connections-").FullName;

    private readonly ClubConnections all;

    public ConnectionTests()
    {
        all = new(folder);
        var first = all.Lend();
        Do(first, "PRAGMA journal_mode=WAL; CREATE TABLE rep (metres INTEGER)");
        all.TakeBack(first);
    }

    [Fact]
    public void WhatIsLentIsNobodyElsesAndIsLentAgainWhenItIsBack()
    {
        var one = all.Lend();
        var two = all.Lend();
        Assert.NotSame(one, two);
        Assert.NotEqual(HandleOf(one), HandleOf(two));
        Assert.Equal(2, all.Lent);

        all.TakeBack(one);
        Assert.Equal(ConnectionState.Open, one.State);
        Assert.Same(one, all.Lend());
        all.TakeBack(one);
        all.TakeBack(two);
    }

    [Fact]
    public async Task ManyAtOnceNeverShareOne()
    {
        var held = new ConcurrentDictionary<nint, bool>();
        var shared = 0;
        await Task.WhenAll(Enumerable.Range(0, 8).Select(_ => Task.Run(() =>
        {
            for (var i = 0; i < 500; i++)
            {
                var mine = all.Lend();
                if (!held.TryAdd(HandleOf(mine), true))
                {
                    Interlocked.Increment(ref shared);
                }

                Do(mine, "SELECT count(*) FROM rep");
                held.TryRemove(HandleOf(mine), out var _);
                all.TakeBack(mine);
            }
        }, TestContext.Current.CancellationToken)));
        Assert.Equal(0, shared);
    }

    [Fact]
    public void WhatWasLeftInATransactionIsUndoneAndNotLentAgain()
    {
        var left = all.Lend();
        Do(left, "BEGIN IMMEDIATE; INSERT INTO rep VALUES (30)");
        all.TakeBack(left);
        Assert.Equal(ConnectionState.Closed, left.State);

        var next = all.Lend();
        Assert.Equal(0L, Do(next, "SELECT count(*) FROM rep"));
        Do(next, "INSERT INTO rep VALUES (20)");
        all.TakeBack(next);
    }

    [Fact]
    public void WhatIsStillReadingIsNotLentAgain()
    {
        var left = all.Lend();
        Do(left, "INSERT INTO rep VALUES (10), (20), (30)");
        using var command = left.CreateCommand();
        command.CommandText = "SELECT metres FROM rep";
        var reader = command.ExecuteReader();
        Assert.True(reader.Read());
        all.TakeBack(left);
        Assert.Equal(ConnectionState.Closed, left.State);
    }

    [Fact]
    public void ForeignKeysHoldOnEveryOne()
    {
        var one = all.Lend();
        var two = all.Lend();
        Assert.Equal(1L, Do(one, "PRAGMA foreign_keys"));
        Assert.Equal(1L, Do(two, "PRAGMA foreign_keys"));
        all.TakeBack(one);
        all.TakeBack(two);
    }

    [Fact]
    public void NoMoreAreKeptThanAFewAndNoneAfterTheEnd()
    {
        var many = Enumerable.Range(0, 20).Select(_ => all.Lend()).ToList();
        var late = many[19];
        foreach (var one in many.Take(19))
        {
            all.TakeBack(one);
        }

        Assert.Equal(16, many.Take(19).Count(c => c.State == ConnectionState.Open));
        all.Dispose();
        Assert.All(many.Take(19), c => Assert.Equal(ConnectionState.Closed, c.State));
        Assert.Equal(ConnectionState.Open, late.State);
        all.TakeBack(late);
        Assert.Equal(ConnectionState.Closed, late.State);
        Assert.Throws<ObjectDisposedException>(all.Lend);
    }

    [Fact]
    public async Task AScreenThatIsToldWhatHappensHoldsNone()
    {
        await using var house = await TestHouse.OpenAsync();
        var coach = await house.CoachAsync();
        using var stream = await coach.BeginAsync("/live/1");
        Assert.True(stream.IsSuccessStatusCode);
        Assert.Equal("text/event-stream", stream.Content.Headers.ContentType?.MediaType);
        Assert.Equal(0, house.Services.GetRequiredService<ClubConnections>().Lent);
    }

    public void Dispose()
    {
        all.Dispose();
        Directory.Delete(folder, true);
    }

    private static nint HandleOf(SqliteConnection connection) => connection.Handle!.DangerousGetHandle();

    private static object? Do(SqliteConnection connection, string sql)
    {
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        return command.ExecuteScalar();
    }
}
