using CsCheck;
using InchBurst.Core.Live;

namespace InchBurst.Core.Tests;

public class RunningOrderTests
{
    private static readonly DateTime Now = new(2026, 3, 1, 17, 0, 0, DateTimeKind.Utc);
    private static readonly LineTurns Line = new(4, 2, 120, 300);

    private static IReadOnlyList<Turn> Order(params Runner[] runners) => RunningOrder.Now(runners, Line, Now);

    [Fact]
    public void The_rested_go_first_then_the_shortest_wait_then_the_finished()
    {
        var order = Order(
            new(1, 1, 1, Now.AddSeconds(-30)), new(2, 2, 1, Now.AddSeconds(-100)), new(3, 3, 1, Now.AddSeconds(-121)), new(4, 4, 0, null), new(5, 5, 4, Now),
            new(6, 6, 1, null, KeptOut.DoneForToday), new(7, 7, 0, null, KeptOut.Held), new(8, 8, 0, null, KeptOut.OtherWork));
        Assert.Equal([4, 3, 2, 1, 5, 8, 7, 6], order.Select(t => t.AthleteId));
        Assert.Equal(
            [TurnState.Ready, TurnState.Ready, TurnState.Resting, TurnState.Resting, TurnState.Finished, TurnState.OtherWork, TurnState.Held, TurnState.DoneForToday], order.Select(t => t.State));
        Assert.Equal(Now.AddSeconds(20), order[2].ReadyAt);
    }

    [Fact]
    public void The_rest_between_sets_is_the_longer_one()
    {
        Assert.Equal(TurnState.Resting, Order(new Runner(1, 1, 2, Now.AddSeconds(-200)))[0].State);
        Assert.Equal(TurnState.Ready, Order(new Runner(1, 1, 1, Now.AddSeconds(-200)))[0].State);
    }

    [Fact]
    public void A_wait_beyond_the_rest_is_counted_from_when_the_rest_was_over()
    {
        var order = Order(new Runner(1, 1, 1, Now.AddSeconds(-200)), new Runner(2, 2, 1, Now.AddSeconds(-10)), new Runner(3, 3, 0, null));
        Assert.Equal([0, 80, 0], order.Select(t => t.WaitedOver(Now)));
    }

    [Fact]
    public void Lanes_are_taken_in_turn_from_the_one_that_is_free_next()
    {
        Runner[] runners = [new(1, 1, 0, null), new(2, 2, 0, null), new(3, 3, 0, null), new(4, 4, 4, Now)];
        Assert.Equal([1, 2, 3, 0], RunningOrder.Now(runners, Line with { Lanes = 3 }, Now).Select(t => t.Lane));
        Assert.Equal([3, 1, 2, 0], RunningOrder.Now(runners, Line with { Lanes = 3, GoesSoFar = 5 }, Now).Select(t => t.Lane));
        Assert.All(RunningOrder.Now(runners, Line, Now).Where(t => t.State == TurnState.Ready), t => Assert.Equal(1, t.Lane));
    }

    [Fact]
    public void Whoever_is_called_goes_first_even_for_an_extra_rep_but_never_past_pain()
    {
        Runner[] runners = [new(1, 1, 0, null), new(2, 2, 4, Now.AddSeconds(-400)), new(3, 3, 0, null, KeptOut.Held)];
        var extra = RunningOrder.Now(runners, Line, Now, called: 2);
        Assert.Equal((2, 5, TurnState.Ready), (extra[0].AthleteId, extra[0].Rep, extra[0].State));
        Assert.Equal([1, 2, 3], RunningOrder.Now(runners, Line, Now, called: 3).Select(t => t.AthleteId));
        Assert.Equal(TurnState.Held, RunningOrder.Now(runners, Line, Now, called: 3)[2].State);
    }

    [Fact]
    public void Whatever_the_group_nobody_is_lost_and_the_ready_stand_before_the_resting()
    {
        var runner = Gen.Select(Gen.Int[0, 5], Gen.Int[-600, 0], Gen.Int[0, 9]);
        Gen.Select(runner.Array[1, 30], Gen.Int[1, 4], Gen.Int[1, 3]).Sample((all, lanes, set) =>
        {
            var runners = all.Select((r, i) => new Runner(i, i, r.Item1, r.Item1 == 0 ? null : Now.AddSeconds(r.Item2), r.Item3 < 3 ? (KeptOut)(r.Item3 + 1) : KeptOut.No)).ToList();
            var order = RunningOrder.Now(runners, new(4, set, 120, 300, lanes), Now);
            Assert.Equal(runners.Select(r => r.AthleteId), order.Select(t => t.AthleteId).Order());
            Assert.Equal(order.Select(t => t.State), order.Select(t => t.State).Order());
            Assert.All(order, t => Assert.Equal(t.State == TurnState.Resting, RunningOrder.Goes(t.State) && t.ReadyAt > Now));
            Assert.All(order.Where(t => RunningOrder.Goes(t.State)).Select((t, i) => (t, i)), x => Assert.Equal((x.i % lanes) + 1, x.t.Lane));
            Assert.All(order.Where(t => t.State == TurnState.Resting).Zip(order.Where(t => t.State == TurnState.Resting).Skip(1)), p => Assert.True(p.First.ReadyAt <= p.Second.ReadyAt));
        }, iter: 500);
    }
}
