using System.Text.Json;
using CsCheck;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Live;
using InchBurst.Core.Log;

namespace InchBurst.Core.Tests;

/// <summary>Whatever three devices do to one session, in whatever order it arrives: what was acknowledged is there once, and the session is whole after every step.</summary>
public class LiveHistoryTests
{
    private static readonly LiveState First = LiveHistory.Fresh with
    {
        Gates = [.. Enumerable.Range(1, 3).Select(n => new LiveGate(n, n % 3, [new(0, 0), new(1, 1800), new(2, 3100)]) { Start = n == 2 ? new(-150, -4) : null })],
    };

    [Fact]
    public void Ten_thousand_histories_keep_every_acknowledged_command_once_and_every_state_whole() => Gen.Int[0, int.MaxValue / 2].Sample(
        seed =>
        {
            var (state, number) = (First, 0L);
            var log = new List<(Delivery Delivery, LiveStep Step)>();
            var history = new LiveHistory(seed);
            history.RunAsync(
                delivery =>
                {
                    var before = state;
                    var step = LiveSteps.Apply(state, delivery.Command, LiveHistory.World(delivery, ExerciseCatalogue.BuiltIn));
                    state = Numbered(step.State, ref number);
                    log.Add((delivery, step));
                    Whole(before, delivery, step, state);
                    return Task.FromResult((step, state));
                },
                First,
                8).GetAwaiter().GetResult();

            foreach (var (command, step) in history.Acknowledged.Where(a => a.Step.Answer is LiveAnswer.Stored or LiveAnswer.Known))
            {
                var times = command is not RepCommand rep ? state.Done.Count(d => d == command.Client)
                    : step.Run != command.Client && rep.Gate is not null && Holding(command.Client) == 0 ? state.Gates.Count(g => g.Number == rep.Gate && g.UsedFor is not null)
                    : Holding(command.Client);
                Assert.True(times == 1, $"{command} is there {times} times");
            }

            // Without the repeats the same comes of it.
            var (alone, again) = (First, 0L);
            var done = new HashSet<Guid>();
            foreach (var (delivery, _) in log.Where(l => !done.Contains(l.Delivery.Command.Client)))
            {
                var step = LiveSteps.Apply(alone, delivery.Command, LiveHistory.World(delivery, ExerciseCatalogue.BuiltIn));
                alone = Numbered(step.State, ref again);
                if (step.Answer == LiveAnswer.Stored)
                {
                    done.Add(delivery.Command.Client);
                }
            }

            Assert.Equal(Text(state), Text(alone));
            int Holding(Guid client) => state.Runs.Count(r => r.Id == client || r.Readings.Any(x => x.Id == client));
        },
        iter: 10_000);

    [Fact]
    public void A_device_told_only_what_changed_has_the_session_itself_after_every_command() => Gen.Int[0, int.MaxValue / 2].Sample(
        seed =>
        {
            var (state, number) = (First, 0L);
            var device = First with { Gates = [], Done = [] };
            new LiveHistory(seed).RunAsync(
                delivery =>
                {
                    var step = LiveSteps.Apply(state, delivery.Command, LiveHistory.World(delivery, ExerciseCatalogue.BuiltIn));
                    var after = Numbered(step.State, ref number);
                    var change = LiveChange.Between(state, after);
                    var was = device;
                    device = LiveChange.Read(change.Write()).On(device);
                    Assert.Equal(Listed(after with { Gates = [], Done = [] }), Listed(device));

                    // Told twice it is the same, and what is not wide leaves everything but runs and people alone.
                    Assert.Equal(Listed(device), Listed(change.On(device)));
                    Assert.True(change.IsWide || Listed(was with { Runs = [], People = [], Called = null, EndedAt = null }) == Listed(device with { Runs = [], People = [], Called = null, EndedAt = null }));
                    state = after;
                    return Task.FromResult((step, state));
                },
                First,
                8).GetAwaiter().GetResult();
        },
        iter: 500);

    // The order of who is listed is told by their own order.
    private static string Listed(LiveState state) => Text(state with { People = [.. state.People.OrderBy(p => p.Order).ThenBy(p => p.AthleteId)] });

    private static void Whole(LiveState before, Delivery delivery, LiveStep step, LiveState after)
    {
        Assert.True(step.Answer == LiveAnswer.Stored || ReferenceEquals(step.State, before));
        var standing = after.Runs.Where(r => !r.IsTakenBack).ToList();
        Assert.All(standing.Where(r => r.Rep > 0).GroupBy(r => (r.AthleteId, r.LineId, r.Rep)), g => Assert.Single(g));
        Assert.Equal(after.Runs.Count, after.Runs.Select(r => r.Id).Distinct().Count());
        Assert.All(after.Runs.SelectMany(r => r.Readings).GroupBy(r => r.Id), g => Assert.Single(g));
        Assert.All(after.Runs, r =>
        {
            Assert.NotNull(after.Person(r.AthleteId));
            Assert.Equal(r.Outcome == RunOutcome.Again, r.Rep == 0);
            Assert.True(r.What.Marks.Zip(r.What.Marks.Skip(1)).All(m => m.Second.Seconds > m.First.Seconds || m.First.Seconds == 0), r.MarksText);
            Assert.Equal(r.Outcome == RunOutcome.Timed, r.What.Marks.Count > 0);
            Assert.True(r.Conflict is null || r.Told.Count > 1);
        });

        // Nothing anybody told is ever lost: readings go over to other runs or are marked, and are never dropped.
        Assert.Empty(Told(before).Except(Told(after)));
        Assert.True(after.Called is null || after.Person(after.Called.Value) is not null);
        Assert.All(after.People, p =>
        {
            var was = before.Person(p.AthleteId)!;
            Assert.Equal(step.Events.OfType<PainNoted>().Count(e => e.Athlete == p.AthleteId), p.Holds - was.Holds);
            Assert.True(p.HeldReason is not null || p.Holds == 0);

            // Only who knew of the latest pain lifts it.
            Assert.True(p.AllowedBy.Length == 0 || p.AllowedBy == was.AllowedBy || (delivery.Command is AllowFull allow && allow.Holds == p.Holds && delivery.IsCoach));
        });
        if (before.State == SessionState.Ended && !delivery.IsCoach && step.Answer == LiveAnswer.Stored)
        {
            Assert.True(delivery.Command.At <= before.EndedAt && delivery.Command is RepCommand or HoldBack);
        }
    }

    private static IEnumerable<Guid> Told(LiveState state) => state.Runs.Select(r => r.Id).Concat(state.Runs.SelectMany(r => r.Readings).Select(r => r.Id)).Distinct();

    // The book numbers what comes into it.
    private static LiveState Numbered(LiveState state, ref long number)
    {
        var next = number;
        state = state with
        {
            Runs = [.. state.Runs.Select(r => r.Number > 0 && r.Readings.All(x => x.Number > 0) ? r : r with { Number = r.Number > 0 ? r.Number : ++next, Readings = [.. r.Readings.Select(x => x.Number > 0 ? x : x with { Number = ++next })] })],
        };
        number = next;
        return state;
    }

    private static string Text(LiveState state) => JsonSerializer.Serialize(state);
}
