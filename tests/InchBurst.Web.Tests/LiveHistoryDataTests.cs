using System.Text.Json;
using InchBurst.Core.Live;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Data;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace InchBurst.Web.Tests;

/// <summary>The same histories through the real book and file: what Core says the session is after a command is what the file holds.</summary>
public sealed class LiveHistoryDataTests : IAsyncLifetime
{
    private const int Histories = 100;
    private TestHouse house = null!;

    public async ValueTask InitializeAsync()
    {
        house = await TestHouse.OpenAsync();
        var coach = await house.CoachAsync();
        await coach.PostAsync("/Athletes", "/Athletes?handler=AddMany", ("squad", "1"), ("names", string.Join('\n', LiveHistory.Fresh.People.Select(p => p.Name))));
        Assert.Equal([1, 2, 3, 4], await house.InDbAsync(db => db.Athletes.OrderBy(a => a.Id).Select(a => a.Id).ToListAsync()));
    }

    public ValueTask DisposeAsync() => house.DisposeAsync();

    [Fact]
    public async Task What_Core_says_a_session_is_after_a_command_is_what_the_file_holds()
    {
        var shelf = house.Services.GetRequiredService<LiveShelf>();
        for (var seed = 1; seed <= Histories; seed++)
        {
            var session = await NewAsync();
            var history = new LiveHistory(seed);
            LiveState last = null!;
            await history.RunAsync(
                async delivery =>
                {
                    var step = (await InAsync(delivery.At, book => book.DoAsync(session, delivery.Command, new(delivery.By, delivery.IsCoach))))!.Step;
                    last = (await InAsync(delivery.At, book => book.StateAsync(session)))!;
                    Assert.Equal(Text(Numbered(step.State, last)), Text(last));

                    // What is kept at hand for the next command is the file's own.
                    var kept = shelf.Get(session);
                    Assert.True(kept is not null || step.Answer != LiveAnswer.Stored);
                    Assert.Equal(Text(last), kept is null ? Text(last) : Text(kept with { Gates = last.Gates, Done = last.Done }));
                    return (step, last);
                },
                (await InAsync(LiveHistory.Start, book => book.StateAsync(session)))!,
                6);
            Assert.All(history.Acknowledged.Where(a => a.Step.Answer is LiveAnswer.Stored or LiveAnswer.Known), a =>
            {
                var runs = last.Runs.Count(r => r.Id == a.Command.Client || r.Readings.Any(x => x.Id == a.Command.Client));
                Assert.True(a.Command is RepCommand rep ? runs == 1 || (runs == 0 && last.Gates.Any(g => g.Number == rep.Gate && g.UsedFor is not null)) : last.Done.Contains(a.Command.Client), $"seed {seed}: {a.Command}");
            });
        }

        // And every run of all of them keeps just the stretches its marks give.
        var wrong = await house.InDbAsync(async db => (await db.Runs.IgnoreQueryFilters().Include(r => r.Marks).Include(r => r.Stretches).ToListAsync()).Count(r =>
        {
            var kept = r.Stretches.Select(s => (s.AthleteId, s.Key, s.FromMillimetres, s.ToMillimetres, s.Seconds)).Order().ToList();
            r.Settle();
            return !kept.SequenceEqual(r.Stretches.Select(s => (s.AthleteId, s.Key, s.FromMillimetres, s.ToMillimetres, s.Seconds)).Order());
        }));
        Assert.Equal(0, wrong);
    }

    [Fact]
    public async Task What_is_kept_at_hand_goes_when_anybody_else_writes_and_nothing_is_kept_meanwhile()
    {
        var shelf = house.Services.GetRequiredService<LiveShelf>();
        var session = await NewAsync();
        Task<LiveDone?> Call(int athlete) => InAsync(LiveHistory.Start, book => book.DoAsync(session, new CallAthlete(athlete) { Client = Guid.NewGuid() }, new("Odalys", true)));
        await Call(1);
        Assert.Equal(1, shelf.Get(session)!.Called);
        await house.InDbAsync(db => db.Clubs.CountAsync());
        Assert.NotNull(shelf.Get(session));
        await house.InDbAsync(async db =>
        {
            (await db.Athletes.FirstAsync(a => a.Id == 2)).Name = "Renamed Quillfeather";
            await db.SaveChangesAsync();
            Assert.Null(shelf.Get(session));
            shelf.Put(session, LiveHistory.Fresh, shelf.Writes);
            Assert.Null(shelf.Get(session));
            return 0;
        });
        Assert.Null(shelf.Get(session));

        // A command that began before somebody else wrote has nothing to keep, however soon after it is done.
        var before = shelf.Writes;
        shelf.Block();
        shelf.Release();
        shelf.Put(session, LiveHistory.Fresh, before);
        Assert.Null(shelf.Get(session));
        await Call(2);
        Assert.Equal((2, "Renamed Quillfeather"), (shelf.Get(session)!.Called, shelf.Get(session)!.Person(2)!.Name));

        // A run written by hand, too, and it is there for the next command.
        await house.InDbAsync(async db =>
        {
            db.Runs.Add(new() { ClientId = Guid.NewGuid(), SessionId = session, AthleteId = 3, LineId = LiveHistory.Plan.Lines.First().Id, Rep = 1, Outcome = RunOutcome.NotTimed, FinishedAt = LiveHistory.Start });
            return await db.SaveChangesAsync();
        });
        await Call(3);
        Assert.Single(shelf.Get(session)!.Runs);
    }

    private Task<int> NewAsync() => house.InDbAsync(async db =>
    {
        var fresh = LiveHistory.Fresh;
        var session = new TrainingSession
        {
            Name = "History",
            Day = fresh.Day,
            SquadId = 1,
            Lanes = fresh.Lanes,
            PlanJson = PlanJson.Write(fresh.Plan),
            RanPlanJson = PlanJson.Write(fresh.Plan),
            State = SessionState.Running,
            StartedAt = fresh.StartedAt,
            LineStartedAt = fresh.LineFrom,
            CurrentLineId = fresh.LineId,
        };
        db.Sessions.Add(session);
        await db.SaveChangesAsync();
        db.Attendance.AddRange(fresh.People.Select(p => new Attendance { SessionId = session.Id, AthleteId = p.AthleteId, Order = p.Order, Present = p.Present }));
        db.GateReadings.AddRange(Enumerable.Range(0, 3).Select(n => new GateReading { ClientId = Guid.NewGuid(), SessionId = session.Id, At = LiveHistory.Start, Lane = n, PassesJson = """[{"Gate":0,"Milliseconds":0},{"Gate":1,"Milliseconds":1800},{"Gate":2,"Milliseconds":3100}]""" }));
        await db.SaveChangesAsync();
        return session.Id;
    });

    private async Task<T> InAsync<T>(DateTime at, Func<TracksideBook, Task<T>> act)
    {
        await using var scope = house.Services.CreateAsyncScope();
        return await act(ActivatorUtilities.CreateInstance<TracksideBook>(scope.ServiceProvider, new StillClock(at)));
    }

    // The numbers are the book's to give; gates and commands are read only as far as a command needs them.
    private static LiveState Numbered(LiveState state, LiveState book) => state with
    {
        Runs =
        [
            .. state.Runs.OrderBy(r => book.Runs.ToList().FindIndex(b => b.Id == r.Id)).Select(r => r with
            {
                Number = book.Runs.Single(b => b.Id == r.Id).Number,
                What = r.What with { Id = book.Runs.Single(b => b.Id == r.Id).Number },
                Readings = [.. r.Readings.Select(x => x with { Number = book.Runs.Single(b => b.Id == r.Id).Readings.Single(y => y.Id == x.Id).Number })],
            }),
        ],
        Gates = book.Gates,
        Done = book.Done,
    };

    // Who is listed first, and what was seen first, is no part of it.
    private static string Text(LiveState state) => JsonSerializer.Serialize(state with
    {
        People = [.. state.People.OrderBy(p => p.AthleteId)],
        Runs = [.. state.Runs.Select(r => r with { Seen = [.. r.Seen.Order(StringComparer.Ordinal)], Measures = [.. r.Measures.OrderBy(m => m.Kind)] })],
    });

    private sealed class StillClock(DateTime at) : TimeProvider
    {
        public override DateTimeOffset GetUtcNow() => new(at, TimeSpan.Zero);
    }
}
