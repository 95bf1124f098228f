using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Progress;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;
using MathNet.Numerics.Distributions;
using MathNet.Numerics.Statistics;

namespace InchBurst.Core.Tests;

/// <summary>Is it a real change, where did it come about, and what would a gain give.</summary>
public class CompareTests
{
    private static LoggedRun Run(double mss, double tau, int day = 1, params double[] metres) => new()
    {
        Day = new(2026, 3, day),
        Kind = WorkKind.MaxVelocity,
        Marks = [.. metres.Select(m => new LoggedMark(Distance.InMetres(m), new SprintCurve(mss, tau).TimeTo(m)))],
    };

    private static LoggedRun Times(params (double At, double Seconds)[] marks) => new() { Day = new(2026, 3, 1), Kind = WorkKind.Acceleration, Marks = [.. marks.Select(m => new LoggedMark(Distance.InMetres(m.At), m.Seconds))] };

    private static CompareSide Side(params LoggedRun[] runs) => CompareSide.Of(runs)!;

    private static TypicalError Typical(double seconds, int freedom = 20) => new(seconds, freedom, true);

    [Fact]
    public void Typical_error_is_the_worked_one()
    {
        // science.md 9 (Hopkins 2000): two trials of six athletes, TE 0.0094 s.
        double[] first = [1.08, 1.11, 1.05, 1.10, 1.07, 1.12], second = [1.07, 1.12, 1.06, 1.08, 1.08, 1.11];
        var pairs = first.Zip(second, (a, b) => (IReadOnlyList<double>)[a, b]).ToList();
        Assert.False(TypicalError.Of(pairs, TimingMethod.Electronic, 1.08).IsOwn);

        // Twice the same table has the same error to within its freedom: ten differences' freedom over eleven.
        var twice = TypicalError.Of(pairs.Concat(pairs), TimingMethod.Electronic, 1.08);
        Assert.True(twice.IsOwn);
        Assert.Equal(11, twice.Freedom);
        Assert.Equal(0.0094 * Math.Sqrt(10.0 / 11), twice.Seconds, 4);

        // What everybody gains from one run to the next is no error.
        var learnt = TypicalError.Of(pairs.Concat(pairs).Select(p => (IReadOnlyList<double>)[p[0], p[1] - 0.2]), TimingMethod.Electronic, 1.08);
        Assert.Equal(twice.Seconds, learnt.Seconds, 9);

        // A third run makes a second pair, with a mean of its own.
        var third = TypicalError.Of(pairs.Select(p => (IReadOnlyList<double>)[p[0], p[1], p[0] - 0.1]), TimingMethod.Electronic, 1.08);
        Assert.Equal(10, third.Freedom);
        Assert.Equal(0.0094, third.Seconds, 4);
    }

    [Fact]
    public void Too_few_repeats_take_what_is_usual_and_equal_ones_still_have_the_rounding()
    {
        Assert.Equal((0.036, 30, false), (Math.Round(TypicalError.Of([[4.5, 4.5]], TimingMethod.Electronic, 4.5).Seconds, 9), TypicalError.Of([[4.5, 4.5]], TimingMethod.Electronic, 4.5).Freedom, TypicalError.Of([[4.5, 4.5]], TimingMethod.Electronic, 4.5).IsOwn));
        Assert.Equal(new TypicalError(0.01, 30, false), TypicalError.Of([], TimingMethod.Electronic, 1.0));
        Assert.Equal(new TypicalError(0.1, 30, false), TypicalError.Of([], TimingMethod.Hand, 4.5));
        Assert.Equal(0.0029, TypicalError.Of(Enumerable.Repeat((IReadOnlyList<double>)[4.5, 4.5], 9), TimingMethod.Electronic, 4.5).Seconds);
        Assert.Equal(8, TypicalError.Of(Enumerable.Repeat((IReadOnlyList<double>)[4.5, 4.5], 9), TimingMethod.Electronic, 4.5).Freedom);
    }

    [Fact]
    public void A_verdict_is_a_students_t_of_the_difference_of_two_means()
    {
        var (now, then) = (Side(Times((10, 1.80), (30, 4.40)), Times((10, 1.82), (30, 4.44)), Times((10, 1.81), (30, 4.42))), Side(Times((10, 1.81), (30, 4.46)), Times((10, 1.81), (30, 4.46)), Times((10, 1.81), (30, 4.46))));
        var of = RunComparison.Of(now, then, _ => Typical(0.02), _ => 0.01)!;
        var last = of.Marks[^1];
        Assert.Equal(0.04, last.Gain, 9);
        Assert.Equal(0.02 * Math.Sqrt(2.0 / 3), last.Error, 9);
        Assert.Equal(StudentT.InvCDF(0, 1, 20, 0.95) * last.Error, last.Range90, 9);
        var verdict = of.Verdict!;
        Assert.Equal(1 - StudentT.CDF(0, 1, 20, (0.01 - 0.04) / last.Error), verdict.Faster, 9);
        Assert.Equal(StudentT.CDF(0, 1, 20, (-0.01 - 0.04) / last.Error), verdict.Slower, 9);
        Assert.Equal(1, verdict.Faster + verdict.Slower + verdict.Trivial, 9);
        Assert.Equal("very likely", verdict.Sure);
        Assert.Equal((10.0, 30.0), (of.MostWon!.Value.From, of.MostWon.Value.To));
        Assert.Equal(0.04, of.MostWon.Value.Seconds, 9);

        // The other way round it is as much slower.
        var back = RunComparison.Of(then, now, _ => Typical(0.02), _ => 0.01)!;
        Assert.Equal(-0.04, back.Marks[^1].Gain, 9);
        Assert.Equal((verdict.Faster, "very likely"), (back.Verdict!.Slower, back.Verdict.Sure));
        Assert.Equal(-0.04, back.MostWon!.Value.Seconds, 9);

        // A figure without an error of its own, and no smallest gain: half the typical error.
        var middle = then with { Marks = [.. then.Marks.Select(m => (m.At, m.Seconds, 0))] };
        var against = RunComparison.Of(now, middle, _ => Typical(0.02), _ => null)!;
        Assert.Equal(0.02 / Math.Sqrt(3), against.Marks[^1].Error, 9);
        Assert.Equal(0.01, against.Verdict!.Smallest, 9);
    }

    [Theory]
    [InlineData(0.70, "")]
    [InlineData(0.7501, "likely")]
    [InlineData(0.9501, "very likely")]
    [InlineData(0.9951, "almost certain")]
    public void How_sure_is_said_from_the_stated_chances_on(double chance, string words)
    {
        var mark = new ComparedMark(new(30, DistanceUnit.Metre), 4.4, 4.44, 0.01, 20);
        Assert.Equal(words, new CompareVerdict(mark, 0.01, chance, 0).Sure);
        Assert.Equal(words, new CompareVerdict(mark with { Now = 4.48 }, 0.01, 0, chance).Sure);
    }

    [Fact]
    public void On_pure_noise_a_change_is_called_real_no_oftener_than_stated()
    {
        // 5,000 pairs of days on which nothing changed: the typical error itself is worked out from 14 athletes' repeats with the same noise.
        var random = new Random(20261127);
        const double Noise = 0.02;
        double Draw(double of) => Normal.Sample(random, of, Noise);
        var (likely, very) = (0, 0);
        for (var trial = 0; trial < 5000; trial++)
        {
            var error = TypicalError.Of(Enumerable.Range(0, 14).Select(a => (IReadOnlyList<double>)[Draw(4.3 + (a * 0.02)), Draw(4.3 + (a * 0.02))]), TimingMethod.Electronic, 4.4);
            LoggedRun[] day = [Times((30, Draw(4.4))), Times((30, Draw(4.4)))], other = [Times((30, Draw(4.4))), Times((30, Draw(4.4)))];
            var sure = RunComparison.Of(Side(day), Side(other), _ => error, _ => 0.01)!.Verdict!.Sure;
            likely += sure.Length > 0 ? 1 : 0;
            very += sure is "very likely" or "almost certain" ? 1 : 0;
        }

        // Either way: at most 5 in 100 to each side for "very likely", 25 for "likely".
        Assert.InRange(very / 5000.0, 0.005, 0.10);
        Assert.InRange(likely / 5000.0, 0.10, 0.50);
    }

    [Fact]
    public void What_was_not_run_alike_has_no_verdict_and_says_why()
    {
        var run = Times((10, 1.8), (30, 4.4));
        foreach (var (other, what) in new (LoggedRun, string)[]
        {
            (run with { Start = StartPosition.ThreePoint }, "Start"), (run with { Trigger = StartTrigger.Gun }, "Clock"), (run with { StartBehindGateMetres = 0.5 }, "Clock"),
            (run with { Method = TimingMethod.Hand }, "Timing"), (run with { Load = "sled" }, "Course"), (run with { Effort = 90 }, "Effort"),
        })
        {
            var of = RunComparison.Of(Side(run), Side(other), _ => Typical(0.02), _ => 0.01)!;
            Assert.Null(of.Verdict);
            Assert.Equal(what, Assert.Single(of.List, c => c.Forbids).What);
            Assert.Contains("then", of.List.Single(c => c.Forbids).Words);
        }

        var alike = RunComparison.Of(Side(run), Side(run with { Effort = 98, Surface = Surface.Track }), _ => Typical(0.02), _ => 0.01)!;
        Assert.NotNull(alike.Verdict);
        Assert.Null(alike.MostWon);
        Assert.Equal([true, true, true, true, true, null, null], alike.List.Select(c => c.IsAlike));
        Assert.False(RunComparison.Of(Side(run with { Surface = Surface.Track }), Side(run with { Surface = Surface.Grass }), _ => Typical(0.02), _ => 0.01)!.List.Single(c => c.What == "Surface").IsAlike);
        Assert.Null(RunComparison.Of(Side(run), Side(Times((20, 3.2))), _ => Typical(0.02), _ => 0.01));
        Assert.Null(CompareSide.Of([]));
    }

    [Fact]
    public void A_side_is_the_mean_of_its_runs_at_each_mark_and_carries_their_curve()
    {
        var side = Side(Run(9, 1.2, 1, 5, 10, 20, 30, 40), Run(8.6, 1.1, 1, 5, 10, 20, 30, 40), Times((10, 2.0)));
        Assert.Equal([5, 10, 20, 30, 40], side.Marks.Select(m => m.At.Metres));
        Assert.Equal([2, 3, 2, 2, 2], side.Marks.Select(m => m.Runs));
        Assert.Equal((new SprintCurve(9, 1.2).TimeTo(30) + new SprintCurve(8.6, 1.1).TimeTo(30)) / 2, side.Marks[3].Seconds, 9);
        var curve = Side(Run(8.92, 1.14, 1, 5, 10, 20, 30, 40)).Fit.Fitted!.Curve;
        Assert.Equal((8.92, 1.14), (Math.Round(curve.Mss, 3), Math.Round(curve.Tau, 3)));
        Assert.Equal(0.04, new ComparedMark(new(30, DistanceUnit.Metre), 4.404, 4.436, 0.01, 9).Shown, 9);
    }

    [Fact]
    public void A_gain_is_what_simulation_gives_and_without_air_what_the_formula_gives()
    {
        // Without air F = F0 (1 - v/V0) is the exponential run with MSS = V0 and tau = V0/F0 (science.md 2), so that times are known exactly.
        var effect = GainEffect.Of(new(7.7, 9.3, 0, 0), 0, [10, 20, 30]);
        foreach (var gain in effect.At)
        {
            var time = new SprintCurve(9.3, 9.3 / 7.7).TimeTo(gain.Metres);
            Assert.Equal(time - new SprintCurve(9.3, 9.3 / (7.7 * 1.03)).TimeTo(gain.Metres), gain.Push, 4);
            Assert.Equal(time - new SprintCurve(9.3 * 1.03, 9.3 * 1.03 / 7.7).TimeTo(gain.Metres), gain.Speed, 4);
        }

        Assert.Equal([10, 20, 30], effect.At.Select(g => g.Metres));
        var cross = effect.CrossesAt!.Value;
        Assert.InRange(cross, 10, 20);
        Assert.All(effect.At, g => Assert.Equal(g.Metres < cross, g.Push > g.Speed));

        // Air takes little part in a difference, and a body that is all push never crosses within what is looked at.
        Assert.All(GainEffect.Of(new(7.7, 9.3, 0, 0), 0.0038, [10, 20, 30]).At.Zip(effect.At), p => Assert.InRange(Math.Abs(p.First.Speed - p.Second.Speed) + Math.Abs(p.First.Push - p.Second.Push), 0.0001, 0.002));
        Assert.Null(GainEffect.Of(new(3, 30, 0, 0), 0, [10]).CrossesAt);
    }

    private static CompareTrial Trial(int day, string key, params int[] marks) => new(new DateOnly(2026, 1, 1).AddDays(day), key, marks.ToHashSet());

    [Fact]
    public void Days_are_picked_that_share_most_and_lie_a_block_of_training_apart()
    {
        CompareTrial[] trials = [Trial(100, "a", 10), Trial(99, "a", 5, 10, 30), Trial(60, "a", 5, 10, 30), Trial(20, "a", 5, 10, 30), Trial(58, "a", 10, 30), Trial(57, "b", 5, 10, 30)];
        (int, int?) Pick(int? now, int? then) => ComparePick.Of(trials, now is { } n ? new DateOnly(2026, 1, 1).AddDays(n) : null, then is { } t ? new DateOnly(2026, 1, 1).AddDays(t) : null) is { } p
            ? (p.Now.Day.DayNumber - new DateOnly(2026, 1, 1).DayNumber, p.Then?.Day.DayNumber - new DateOnly(2026, 1, 1).DayNumber) : (-1, null);
        Assert.Equal((99, 60), Pick(null, null));
        Assert.Equal((100, 58), Pick(100, null));
        Assert.Equal((99, 20), Pick(99, 20));
        Assert.Equal((57, 99), Pick(57, 99));
        Assert.Equal((57, null), Pick(57, null));
        Assert.Equal((20, 60), Pick(20, null));
        Assert.Equal((99, 60), Pick(null, 60));
        Assert.Equal((-1, null), Pick(3, null));
        Assert.Null(ComparePick.Of([], null, null));
    }

    [Theory]
    [InlineData(MeasureKind.JumpLength, "cm", 231, 2.31)]
    [InlineData(MeasureKind.JumpLength, "m", 2.31, 2.31)]
    [InlineData(MeasureKind.JumpLength, "", 2.31, 2.31)]
    [InlineData(MeasureKind.JumpHeight, "in", 10, 0.254)]
    [InlineData(MeasureKind.JumpHeight, "mm", 254, 0.254)]
    [InlineData(MeasureKind.ThrowDistance, "ft", 10, 3.048)]
    [InlineData(MeasureKind.AirTime, "ms", 410, 0.41)]
    [InlineData(MeasureKind.AirTime, "s", 0.41, 0.41)]
    [InlineData(MeasureKind.Load, "lb", 100, 45.359237)]
    [InlineData(MeasureKind.Load, "kg", 100, 100.0)]
    [InlineData(MeasureKind.HeartRate, "bpm", 150, 150.0)]
    [InlineData(MeasureKind.Reps, "reps", 5, 5.0)]
    [InlineData(MeasureKind.Load, "cm", 5, null)]
    [InlineData(MeasureKind.JumpHeight, "kg", 5, null)]
    [InlineData(MeasureKind.AirTime, "m", 5, null)]
    [InlineData(MeasureKind.Reps, "kg", 5, null)]
    public void An_amount_in_a_named_unit_is_kept_as_it_is_by_definition(MeasureKind kind, string unit, double amount, double? kept)
    {
        var found = Measures.Kept(amount, unit, kind);
        Assert.Equal(kept is null, found is null);
        Assert.Equal(kept ?? 0, found ?? 0, 9);
    }
}
