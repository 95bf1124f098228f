using InchBurst.Core.Log;
using InchBurst.Core.Units;
using InchBurst.GateBox;

namespace InchBurst.Core.Tests;

/// <summary>Gates that fail: what can be known is, what cannot be known is asked, and nothing is silently wrong.</summary>
public class GateFaultTests
{
    private static readonly Distance[] Marks = [Distance.InMetres(10), Distance.InMetres(20), Distance.InMetres(30)];
    private static readonly double[] Gates = [0, 10, 20, 30];

    private static GateMarks Read(string passes, int gates = 4, bool isSteady = true) => GateFeed.Read([.. passes.Split(' ').Select(p => p.Split(':')).Select(p => new GatePass(
        int.Parse(p[0], System.Globalization.CultureInfo.InvariantCulture), double.Parse(p[1], System.Globalization.CultureInfo.InvariantCulture)))], Marks, gates, isSteady);

    private static string Times(GateMarks read) => string.Join(' ', read.Seconds.Select(s => s?.ToString(System.Globalization.CultureInfo.InvariantCulture) ?? "-"));

    // A runner of 0 1.9 3.1 4.2 s.
    [Theory]
    [InlineData("0:0 1:1900 2:3100 3:4200", "1.9 3.1 4.2")]
    [InlineData("0:-150 0:0 1:1840 1:1900 2:3100 3:4160 3:4200", "1.9 3.1 4.2")] // an arm before the trunk
    [InlineData("0:-250 0:0 1:1900 2:3100 3:4200", "1.9 3.1 4.2")] // just one body
    [InlineData("0:0 1:1820 1:1900 2:3100 3:4200", "1.9 3.1 4.2")] // 0.42 m ahead at 5.26 m/s
    [InlineData("0:0 2:3100 3:4200", "- 3.1 4.2")] // a gate missed
    [InlineData("0:0 1:1900 2:3100", "1.9 3.1 -")] // the last gate missed, and how many stand is known
    [InlineData("0:-9000 0:0 1:1900 2:3100 3:4200", "1.9 3.1 4.2")] // a ball before the run
    [InlineData("0:0 1:1900 1:9900 2:3100 3:4200", "1.9 3.1 4.2")] // a dog after it
    [InlineData("0:0 1:1900 2:1000 2:3100 3:4200", "1.9 3.1 4.2")] // a ball in front of the runner: too fast for anybody
    [InlineData("0:0 1:1900 2:3100 3:4200 3:12000 2:19000 1:26000 0:33000", "1.9 3.1 4.2")] // walking back
    public void What_can_only_be_one_run_is_taken(string passes, string times)
    {
        var read = Read(passes);
        Assert.Null(read.Problem);
        Assert.Equal(times, Times(read));
        Assert.Null(read.Note);
    }

    [Theory]
    [InlineData("0:0 0:600 1:1900 1:2550 2:3100 2:3800 3:4200 3:4950", "more than one body", 4)] // two one behind the other
    [InlineData("0:0 0:700 1:1900 1:2700 2:3100 3:4200 3:4900", "more than one body", 2)] // the second one was missed by a gate
    [InlineData("0:0 1:1900 1:2050 2:3100 3:4200", "more than one body", 2)] // a dog beside the runner
    [InlineData("0:0 1:1830 1:1860 1:1900 2:3100 3:4200", "More than one body passed a gate at once", 1)]
    [InlineData("0:0 1:1900 2:3900 3:4700", "do not fit one run", 1)] // it may be the 20 m gate that is wrong, or the last
    [InlineData("1:1900 2:3100 3:4200", "first gate missed", 0)]
    [InlineData("0:0 0:9000", "Only one gate", 0)]
    [InlineData("0:0 1:12000 2:19500 3:27000", "too fast or at a walk", 0)]
    [InlineData("0:0 1:400 2:900", "too fast or at a walk", 0)]
    [InlineData("0:0 1:3000 2:3900 3:4900", "do not fit one run", 1)]
    [InlineData("0:0 1:1900 1:700 2:3100 3:4200", "more than one body", 1)] // a dog close in front: one behind the other, or not
    public void What_cannot_be_known_is_asked(string passes, string words, int choices)
    {
        var read = Read(passes);
        Assert.Contains(words, read.Problem, StringComparison.Ordinal);
        Assert.Equal(choices, read.Choices.Count);
        Assert.Empty(read.Seconds);
    }

    // 10 to 40 m at 1.9 3.1 4.2 5.25 s, and what the gate at 20 m saw was something else: left empty, and said.
    [Fact]
    public void A_gate_that_does_not_fit_the_others_is_left_empty_and_named()
    {
        Distance[] four = [.. Marks, Distance.InMetres(40)];
        var read = GateFeed.Read([new(0, 0), new(1, 1900), new(2, 3500), new(3, 4200), new(4, 5250)], four, 5);
        Assert.Equal("1.9 - 4.2 5.25", Times(read));
        Assert.Equal("What the gate at 20 m saw does not fit the run, so its time is left out.", read.Note);
    }

    [Fact]
    public void Where_an_arm_came_first_the_time_says_how_far_it_may_be_off()
    {
        Assert.Equal([0.15, 0.195, 0.15], Read("0:-150 0:0 1:1900 2:3055 2:3100 3:4200").Within);
        Assert.Equal([0, 0.045, 0], Read("0:0 1:1900 2:3055 2:3100 3:4200").Within);
    }

    // Three marks and three gates that saw something: is the first mark the start, or did the last gate see nothing?
    [Fact]
    public void A_set_that_does_not_say_how_many_gates_stand_is_asked_where_it_matters()
    {
        var read = Read("0:0 1:1900 2:3100", gates: 0);
        Assert.Equal(["0 1.9 3.1", "1.9 3.1 -"], read.Choices.Select(Times));
        Assert.Equal([true, false], read.Choices.Select(c => c.ZoneOnly));
        Assert.Equal("0 1.1 2.1", Times(Read("0:0 1:1100 2:2100", gates: 0)));
        Assert.Equal("0 1.9 3.1", Times(Read("0:0 1:1900 2:3100", gates: 3)));
    }

    // A line that slows down or turns by itself is not measured by how runs go.
    [Fact]
    public void A_line_that_changes_its_speed_is_taken_as_it_was_run()
    {
        Assert.Equal("1.9 4.4 5.6", Times(Read("0:0 1:1900 2:4400 3:5600", isSteady: false)));
        Assert.Null(Read("0:0 1:1900 2:4400 3:5600", isSteady: false).Note);
    }

    [Theory]
    [InlineData(2.35, true)] // 5 m/s, then 11.75: the steepest a start can be
    [InlineData(2.45, false)]
    public void How_much_faster_a_second_stretch_may_be_than_the_first_has_an_edge(double times, bool fits) =>
        Assert.Equal(fits, Read(FormattableString.Invariant($"0:0 1:2000 2:{2000 + (2000 / times):0.###}")).Problem is null);

    [Fact]
    public void Lanes_of_one_report_are_told_apart()
    {
        GatePass[] passes = [new(0, 0, 2), new(0, 5, 1), new(1, 1900, 1), new(1, 1950, 2), new(1, 9, 0)];
        Assert.Equal(["1: 5 1900", "2: 0 1950", "3: 9"], GateFeed.Lanes(passes, 3).Select(l => $"{l.Lane}: {string.Join(' ', l.Passes.Select(p => p.Milliseconds))}"));
    }

    [Fact]
    public void Clocks_are_brought_together_and_one_that_cannot_be_trusted_is_left_out_and_named()
    {
        GatePass[] passes = [new(0, 1000, 0, 1), new(1, 5000, 0, 2), new(2, 3100, 0, 3), new(3, 4200)];
        var (together, note) = GateFeed.Together(passes, [new(1, 1000, 3), new(2, 3100, GateFeed.BestClock), new(3, 0, GateFeed.BestClock + 1), new(4, double.NaN, 1)]);
        Assert.Equal(["0:0", "1:1900", "3:4200"], together.Select(p => $"{p.Gate}:{p.Milliseconds}"));
        Assert.Equal("The clock of gate 3 cannot be trusted to 10 ms, so its time is left out.", note);
        Assert.Null(GateFeed.Together([new(0, 5), new(1, 1905)], []).Note);
    }

    // In the coach's words, one gate and several.
    [Fact]
    public void What_was_left_out_is_named_one_by_one()
    {
        GatePass[] passes = [new(2, 3100, 0, 2), new(0, 0), new(1, 1900, 0, 1), new(3, 4200, 0, 3)];
        Assert.Equal("The clocks of gates 2, 3 cannot be trusted to 10 ms, so their times are left out.", GateFeed.Together(passes, [new(3, 0, 0)]).Note);
        var (told, note) = GateFeed.Together(passes, [new(1, 5, 0), new(1, 100, 1), new(2, 0, 0), new(3, 0, 10)]);
        Assert.Null(note);
        Assert.Equal(1800, told.Single(p => p.Gate == 1).Milliseconds); // what was said last of a clock holds
    }

    [Theory]
    [InlineData("1:1900 2:3100 3:4200", 0, "The first gate missed the start of this run.")]
    [InlineData("1:1900 2:3100 3:4200", 4, "The first gate missed the start of this run.")]
    [InlineData("0:0 1:1900 2:3100 3:4200 4:5200", 0, "5 gates reported, and this line expects 3 marks after the start.")]
    [InlineData("1:0 2:1900 3:3100 4:4200", 5, "5 gates reported, and this line expects 3 marks after the start.")]
    [InlineData("1:0 2:1900", 6, "6 gates reported, and this line expects 3 marks after the start.")]
    [InlineData("3:0 2:900 1:1900 0:3100", 4, "The gates saw the runner in another order than they stand.")]
    public void Why_nothing_can_be_made_of_a_run_is_said(string passes, int gates, string why) => Assert.Equal(why, Read(passes, gates).Problem);

    // The passes of a gate come in any order, and the same one twice is one.
    [Fact]
    public void The_order_in_which_a_gate_tells_does_not_matter() => Assert.Equal("1.9 3.1 4.2", Times(Read("0:0 1:1900 1:1820 1:1900 2:3100 3:4200 3:4160")));

    // Slowest run and fastest (own rules, methods.md): at their bounds they count, past them they do not.
    [Theory]
    [InlineData("0:0 1:6250 2:12500 3:18750", "6.25 12.5 18.75")]
    [InlineData("0:0 1:6260 2:12520 3:18780", null)]
    public void Who_runs_no_faster_than_a_walk_walks(string passes, string? times)
    {
        var read = Read(passes);
        Assert.Equal(times, read.Problem is null ? Times(read) : null);
    }

    [Fact]
    public void Ten_times_two_thousand_runs_with_every_fault_are_right_empty_or_asked()
    {
        var (right, off, asked) = (0, 0, 0);
        for (var seed = 1; seed <= 10; seed++)
        {
            var box = new Adversary(seed, Faults.All, Gates);
            var runs = Enumerable.Range(0, 2000).Select(_ => box.Next()).ToList();
            var stored = runs.SelectMany(r => GateFeed.Lanes(GateFeed.Together(r.Report.Passes, r.Report.Clocks).Passes, r.Report.Lane)
                .Select(l => new Stored(r.Report.Run, l.Lane, r.Report.Gates, l.Passes, r.Report.Starts.FirstOrDefault(s => s.Lane == l.Lane) is { } start ? new(start.Go, start.Moved) : null)));
            var verdict = Verdict.Of(runs.SelectMany(r => r.Truths), stored, Marks);
            TestContext.Current.TestOutputHelper?.WriteLine(verdict.ToString());
            Assert.True(verdict.IsGood, $"seed {seed}: {verdict}\n{string.Join('\n', verdict.Wrong.Take(30))}");
            Assert.InRange(verdict.Runs, 2000, 2200);
            Assert.InRange(verdict.Reactions, 400, 700);
            (right, off, asked) = (right + verdict.Right, off + verdict.Off, asked + verdict.Asked);
        }

        Assert.True(asked < right / 10);

        // What crosses just behind the trunk cannot be told from a trunk behind its arm; it is rare, and the time says by how much.
        Assert.True(off < right / 1000, $"{off}");
    }

    // What holds runs against the truth finds what is lost, doubled and wrong; else it shows nothing.
    [Fact]
    public void A_verdict_tells_what_is_lost_doubled_and_wrong()
    {
        var box = new Adversary(5, new() { Pad = 1 }, Gates);
        var (report, truths) = box.Next();
        var kept = new Stored(report.Run, 0, 4, report.Passes, new(report.Starts[0].Go, report.Starts[0].Moved));
        Assert.True(Verdict.Of(truths, [kept], Marks).IsGood);
        Assert.Equal((1, 0), (Verdict.Of(truths, [], Marks).Runs, Verdict.Of(truths, [], Marks).Kept));
        Assert.Equal(1, Verdict.Of(truths, [kept, kept], Marks).Doubled);
        Assert.Equal(1, Verdict.Of(truths, [kept, kept with { Run = Guid.NewGuid() }], Marks).Doubled);
        Assert.Single(Verdict.Of(truths, [kept with { Passes = [.. kept.Passes.Select(p => p.Gate == 2 ? p with { Milliseconds = p.Milliseconds + 15 } : p)] }], Marks).Wrong);
        Assert.Single(Verdict.Of(truths, [kept with { Start = new(report.Starts[0].Go - 3, report.Starts[0].Moved) }], Marks).Wrong);
    }
}
