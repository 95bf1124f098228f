using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Core.Units;
using InchBurst.GateBox;

namespace InchBurst.Core.Tests;

/// <summary>A go and a first movement that gates or a pad tell of: the clock starts where it is asked to, and the reaction is kept apart.</summary>
public class GateStartTests
{
    private static readonly GatePass[] Passes = [new(0, 1000, 1), new(1, 2900, 1), new(2, 4100, 1)];

    // A reaction under 0.100 s is a false start (rules of athletics, from memory).
    [Theory]
    [InlineData(0.0, 142.4, 0.142, false, "Reaction 0.142 s.")]
    [InlineData(0.0, 100.0, 0.1, false, "Reaction 0.100 s.")]
    [InlineData(0.0, 99.0, 0.099, true, "False start: first movement 0.099 s after GO.")]
    [InlineData(500.0, 438.0, -0.062, true, "False start: first movement 0.062 s before GO.")]
    [InlineData(0.0, 5000.0, 5.0, false, "Reaction 5.000 s.")]
    public void A_reaction_is_from_the_go_to_the_first_movement(double go, double moved, double seconds, bool isFalse, string says)
    {
        var start = new GateStart(go, moved);
        Assert.Equal(seconds, start.ReactionSeconds);
        Assert.Equal((isFalse, says), (start.IsFalse, start.Says));
    }

    [Theory]
    [InlineData(null, 10.0)]
    [InlineData(10.0, null)]
    [InlineData(0.0, 5001.0)] // another start
    [InlineData(5001.0, 0.0)]
    public void What_does_not_belong_together_is_no_reaction(double? go, double? moved)
    {
        var start = new GateStart(go, moved);
        Assert.Null(start.ReactionSeconds);
        Assert.False(start.IsFalse);
        Assert.Null(start.Says);
    }

    [Theory]
    [InlineData(StartTrigger.FirstGate, 850.0, 990.0, 1000)]
    [InlineData(StartTrigger.ZoneLine, 850.0, 990.0, 1000)]
    [InlineData(StartTrigger.Gun, 850.0, 990.0, 850)]
    [InlineData(StartTrigger.FirstMove, 850.0, 990.0, 990)]
    [InlineData(StartTrigger.Gun, null, 990.0, 1000)]
    [InlineData(StartTrigger.FirstMove, 850.0, null, 1000)]
    public void The_clock_starts_at_what_was_chosen_where_that_is_known(StartTrigger trigger, double? go, double? moved, double from)
    {
        var passes = new GateStart(go, moved).Before(Passes, trigger);
        Assert.Equal([from, 2900, 4100], passes.OrderBy(p => p.Gate).Select(p => p.Milliseconds));
        Assert.Equal([0, 1, 2], passes.Select(p => p.Gate));
    }

    // A pad in place of a start gate: marks at 20 and 30 m, and no gate at the start.
    [Fact]
    public void A_pad_stands_in_for_a_gate_that_is_not_there()
    {
        GatePass[] seen = [new(1, 4300), new(2, 5400)];
        Distance[] marks = [Distance.InMetres(20), Distance.InMetres(30)];
        Assert.Equal([3.31, 4.41], GateFeed.Read(new GateStart(840, 990).Before(seen, StartTrigger.FirstMove), marks, 3).Seconds.Select(s => s!.Value));
        Assert.Equal([3.46, 4.56], GateFeed.Read(new GateStart(840, 990).Before(seen, StartTrigger.Gun), marks, 3).Seconds.Select(s => s!.Value));
        Assert.Contains("first gate missed", GateFeed.Read(new GateStart(840, 990).Before(seen, StartTrigger.FirstGate), marks, 3).Problem, StringComparison.Ordinal);
    }

    // Whose start it was must be known: one of two for a lane, or one without a lane among several, is nobody's.
    [Fact]
    public void A_start_is_a_lanes_own_or_nobodys()
    {
        GateStart one = new(0, 150), other = new(0, 180);
        Assert.Same(one, GateStart.Of([(1, one), (2, other)], 1, false));
        Assert.Same(other, GateStart.Of([(1, one), (2, other)], 2, false));
        Assert.Null(GateStart.Of([(1, one), (1, other)], 1, true));
        Assert.Equal(one, GateStart.Of([(1, one), (1, one with { })], 1, true));
        Assert.Null(GateStart.Of([(0, one)], 1, false));
        Assert.Same(one, GateStart.Of([(0, one)], 1, true));
        Assert.Null(GateStart.Of([(3, one)], 1, true));
        Assert.Null(GateStart.Of([(1, new(null, null))], 1, true));
    }

    // The first gate sees the runner from a quarter of a second before the moment told to 2.5 s after it; else one of them is of another start, and no time is made of it.
    [Theory]
    [InlineData(1250.0, false)]
    [InlineData(1251.0, true)]
    [InlineData(-1500.0, false)]
    [InlineData(-1501.0, true)]
    public void A_start_that_does_not_go_with_the_first_gate_makes_no_time(double go, bool contradicts)
    {
        Distance[] marks = [Distance.InMetres(10), Distance.InMetres(20)];
        var start = new GateStart(go, null);
        Assert.Equal(contradicts, start.Contradicts(Passes, StartTrigger.Gun));
        Assert.False(start.Contradicts(Passes, StartTrigger.FirstGate));
        Assert.False(start.Contradicts([.. Passes.Skip(1)], StartTrigger.Gun));
        Assert.Equal(contradicts, GateStart.Read(start, StartTrigger.Gun, Passes, marks, 3, false).Problem?.Contains("does not go with what the first gate saw", StringComparison.Ordinal) == true);
        Assert.Equal([1.9, 3.1], GateStart.Read(start, StartTrigger.FirstGate, Passes, marks, 3, true).Seconds.Select(s => s!.Value));
        Assert.Equal([1.9, 3.1], GateStart.Read(null, StartTrigger.Gun, Passes, marks, 3, true).Seconds.Select(s => s!.Value));
    }

    // Every fault with pads: the reaction is the true one, and from the go a run is longer by it.
    [Fact]
    public void Simulated_starts_are_read_as_they_were()
    {
        Distance[] marks = [Distance.InMetres(10), Distance.InMetres(20), Distance.InMetres(30)];
        var (starts, early) = (0, 0);
        var box = new Adversary(3, new() { Pad = 0.6, TwoLanes = 0.2, Arm = 0.2 }, [0, 10, 20, 30]);
        for (var run = 0; run < 2000; run++)
        {
            var (report, truths) = box.Next();
            Assert.Equal(truths.Count(t => t.Reaction is not null), report.Starts.Count);
            foreach (var (began, truth) in report.Starts.Zip(truths))
            {
                var start = new GateStart(began.Go, began.Moved);
                Assert.InRange(start.ReactionSeconds!.Value, truth.Reaction!.Value - 0.00011, truth.Reaction.Value + 0.00011);
                (starts, early) = (starts + 1, early + (start.IsFalse ? 1 : 0));
                var own = GateFeed.Lanes(report.Passes, report.Lane).Single(l => l.Lane == began.Lane).Passes;
                if (GateFeed.Read(start.Before(own, StartTrigger.Gun), marks, report.Gates) is { Problem: null } read)
                {
                    Assert.All(read.Seconds.Select((s, i) => (Time: s!.Value, At: i)), s => Assert.InRange(s.Time, truth.Seconds[s.At + 1] + truth.Reaction.Value - 0.0065 - read.Within[s.At], truth.Seconds[s.At + 1] + truth.Reaction.Value + 0.0065 + read.Within[s.At]));
                }
            }
        }

        Assert.InRange(starts, 900, 1700);
        Assert.InRange(early, starts / 60, starts / 12);
    }
}
