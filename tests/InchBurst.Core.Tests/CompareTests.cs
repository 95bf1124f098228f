using InchBurst.Core.Demand;
using InchBurst.Core.Load;
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

    [Fact]
    public void The_runs_of_a_side_are_one_run_of_the_marks_that_all_passed()
    {
        var pooled = CompareSide.Of([Times((10, 2.0), (20, 3.2), (30, 4.4)), Times((10, 2.1), (20, 3.4)), Times((10, 2.2), (20, 3.3), (30, 4.5))])!.Pooled!;
        Assert.Equal([(10.0, 2.1), (20.0, 3.3)], pooled.Marks.Select(m => (m.At.Metres, Math.Round(m.Seconds, 9))));
        Assert.Null(CompareSide.Of([Times((10, 2.0), (20, 3.2))])!.Pooled);
    }

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
        Assert.Equal(0.0094 * Math.Sqrt(10.0 / 11), twice.Size, 4);

        // What everybody gains from one run to the next is no error.
        var learnt = TypicalError.Of(pairs.Concat(pairs).Select(p => (IReadOnlyList<double>)[p[0], p[1] - 0.2]), TimingMethod.Electronic, 1.08);
        Assert.Equal(twice.Size, learnt.Size, 9);

        // A third run makes a second pair, with a mean of its own.
        var third = TypicalError.Of(pairs.Select(p => (IReadOnlyList<double>)[p[0], p[1], p[0] - 0.1]), TimingMethod.Electronic, 1.08);
        Assert.Equal(10, third.Freedom);
        Assert.Equal(0.0094, third.Size, 4);
    }

    [Fact]
    public void Too_few_repeats_take_what_is_usual_and_equal_ones_still_have_the_rounding()
    {
        Assert.Equal((0.036, 30, false), (Math.Round(TypicalError.Of([[4.5, 4.5]], TimingMethod.Electronic, 4.5).Size, 9), TypicalError.Of([[4.5, 4.5]], TimingMethod.Electronic, 4.5).Freedom, TypicalError.Of([[4.5, 4.5]], TimingMethod.Electronic, 4.5).IsOwn));
        Assert.Equal(new TypicalError(0.01, 30, false), TypicalError.Of([], TimingMethod.Electronic, 1.0));
        Assert.Equal(new TypicalError(0.1, 30, false), TypicalError.Of([], TimingMethod.Hand, 4.5));
        Assert.Equal(0.0029, TypicalError.Of(Enumerable.Repeat((IReadOnlyList<double>)[4.5, 4.5], 9), TimingMethod.Electronic, 4.5).Size, 4);
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
        var three = RunComparison.Of(Side(Times((10, 1.80), (20, 3.10), (30, 4.40))), Side(Times((10, 1.83), (20, 3.14), (30, 4.47))), _ => Typical(0.02), _ => 0.01)!.MostWon!.Value;
        Assert.Equal((0.0, 10.0), (RunComparison.Of(Side(Times((10, 1.80), (20, 3.10))), Side(Times((10, 1.83), (20, 3.14))), _ => Typical(0.02), _ => 0.01)!.MostWon!.Value.From, 10.0));
        Assert.Equal((0.0, 0.03), (three.From, Math.Round(three.Seconds, 9)));

        // The other way round it is as much slower.
        var back = RunComparison.Of(then, now, _ => Typical(0.02), _ => 0.01)!;
        Assert.Equal(-0.04, back.Marks[^1].Gain, 9);
        Assert.Equal((verdict.Faster, "very likely"), (back.Verdict!.Slower, back.Verdict.Sure));
        Assert.Equal(-0.04, back.MostWon!.Value.Seconds, 9);

        // What matters at least comes from the squad where it is known.
        Assert.Equal(0.03, RunComparison.Of(now, then, _ => Typical(0.02), _ => 0.03)!.Verdict!.Smallest);

        // A figure without an error of its own, and no smallest gain: half the typical error.
        var middle = then with { Marks = [.. then.Marks.Select(m => (m.At, m.Seconds, 0))] };
        var against = RunComparison.Of(now, middle, _ => Typical(0.02), _ => null)!;
        Assert.Equal(0.02 / Math.Sqrt(3), against.Marks[^1].Error, 9);
        Assert.Equal(0.01, against.Verdict!.Smallest, 9);
    }

    [Theory]
    [InlineData(0.7499, "")]
    [InlineData(0.75, "likely")]
    [InlineData(0.95, "very likely")]
    [InlineData(0.995, "almost certainly")]
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
            very += sure is "very likely" or "almost certainly" ? 1 : 0;
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

        static string Told(RunComparison of) => string.Join("; ", of.List.Select(c => $"{c.What}: {c.Words}"));
        Assert.Equal(
            "Start: three point, then usual start; Clock: from the gun, then from first movement, start 0.5 m behind; Timing: gates, then by hand; Course: straight, free, then 10 + turn 180 + 10, sled20; Effort: 100%, then 90% asked; Surface: not said for both; Shoes: not said for both; Wind: not measured",
            Told(RunComparison.Of(
                Side(run with { Start = StartPosition.ThreePoint, Trigger = StartTrigger.Gun }),
                Side(run with { Trigger = StartTrigger.FirstMove, StartBehindGateMetres = 0.5, Method = TimingMethod.Hand, Course = "10 + turn 180 + 10", Load = "sled20", Effort = 90 }), _ => Typical(0.02), _ => 0.01)!).Replace(InchBurst.Core.Demand.Trial.CourseWords("10 + turn 180 + 10"), "10 + turn 180 + 10", StringComparison.Ordinal));
        Assert.Equal("Start: usual start; Clock: from the first gate; Timing: gates; Course: straight, free; Effort: 97% asked; Surface: track; Shoes: not said for both; Wind: not measured",
            Told(RunComparison.Of(Side(run with { Effort = 97, Surface = Surface.Track }), Side(run with { Surface = Surface.Track }), _ => Typical(0.02), _ => 0.01)!));
        Assert.Contains("Timing: by hand;", Told(RunComparison.Of(Side(run with { Method = TimingMethod.Hand }), Side(run with { Method = TimingMethod.Hand }), _ => Typical(0.02), _ => 0.01)!));

        // Three percent apart is still alike, and a figure without an error carries no verdict.
        Assert.NotNull(RunComparison.Of(Side(run with { Effort = 97 }), Side(run), _ => Typical(0.02), _ => 0.01)!.Verdict);
        Assert.Null(RunComparison.Of(Side(run) with { Marks = [(new(30, DistanceUnit.Metre), 4.4, 0)] }, Side(run) with { Marks = [(new(30, DistanceUnit.Metre), 4.5, 0)] }, _ => Typical(0.02), _ => 0.01)!.Verdict);
        var alike = RunComparison.Of(Side(run), Side(run with { Effort = 98, Surface = Surface.Track }), _ => Typical(0.02), _ => 0.01)!;
        Assert.NotNull(alike.Verdict);
        Assert.Null(alike.MostWon);
        Assert.Equal([true, true, true, true, true, null, null, null], alike.List.Select(c => c.IsAlike));
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

        // Of a day's rising efforts only the hardest count.
        var rising = Side(Times((30, 5.0)) with { Effort = 80 }, Times((30, 4.5)) with { Effort = 97 }, Times((30, 4.4)));
        Assert.Equal((4.45, 2), (Math.Round(rising.Marks[0].Seconds, 9), rising.Marks[0].Runs));
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
        double Difference(double metres, double f0, double v0) => new SprintCurve(v0, v0 / (f0 * 1.03)).TimeTo(metres) - new SprintCurve(v0 * 1.03, v0 * 1.03 / f0).TimeTo(metres);
        foreach (var (f0, v0) in new[] { (7.7, 9.3), (4.1, 12.0) })
        {
            var root = MathNet.Numerics.FindRoots.OfFunction(m => Difference(m, f0, v0), 2, 60);
            Assert.InRange(GainEffect.Of(new(f0, v0, 0, 0), 0, [10]).CrossesAt!.Value, root, root + 0.5);
        }
    }

    [Fact]
    public void Phases_end_where_their_share_of_top_speed_is_reached()
    {
        // science.md 2: MSS 8.5, tau 1.2 reach 95% at 20.87 m; v(t) = 0.8 MSS at t = -tau ln 0.2.
        var curve = new SprintCurve(8.5, 1.2);
        var phases = SprintPhases.Of(curve, 0, 40);
        Assert.Equal([SprintPhase.Start, SprintPhase.Drive, SprintPhase.Rise, SprintPhase.Upright], phases.Select(p => p.Phase));
        Assert.Equal(curve.DistanceAt(-1.2 * Math.Log(0.5)), phases[0].To, 6);
        Assert.Equal(curve.DistanceAt(-1.2 * Math.Log(0.2)), phases[1].To, 6);
        Assert.Equal(20.87, phases[2].To, 0.01);
        Assert.Equal((phases[2].To, 40.0), (phases[3].From, phases[3].To));
        Assert.Equal(phases[0].To - 0.5, SprintPhases.Of(curve, 0.5, 40)[0].To, 9);
        Assert.Equal([SprintPhase.Start, SprintPhase.Drive], SprintPhases.Of(curve, 0, 5).Select(p => p.Phase));
        Assert.Equal(3, SprintPhases.Of(curve, 0, phases[2].To + 0.1).Count);
        Assert.Equal(SprintPhase.Rise, SprintPhases.Of(curve, phases[1].To - 0.1, 40)[0].Phase);
    }

    [Fact]
    public void Past_the_fastest_part_the_runner_slows()
    {
        var curve = new SprintCurve(9.5, 1.2);

        var phases = SprintPhases.Of(curve, 0, 100, 60);

        Assert.Equal((SprintPhase.Upright, 60.0), (phases[^2].Phase, phases[^2].To));
        Assert.Equal((SprintPhase.Slowing, 60.0, 100.0), phases[^1]);
        Assert.Equal(SprintPhase.Upright, SprintPhases.Of(curve, 0, 60, 60)[^1].Phase);
        Assert.Equal(60, SprintPhases.Of(curve, 0, 60, 80)[^1].To);
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

/// <summary>A squad's times side by side.</summary>
public class SquadTimesTests
{
    private static SquadTime Time(int athlete, int day, double seconds, int from = 0, int to = 20000, string key = "a") => new(athlete, key, from, to, new DateOnly(2026, 1, 1).AddDays(day), seconds);

    [Fact]
    public void An_athlete_stands_with_the_best_of_the_latest_day_against_what_was_usual_before()
    {
        SquadTime[] times = [Time(1, 1, 3.10), Time(1, 1, 3.05), Time(1, 2, 3.04), Time(1, 3, 3.06), Time(1, 4, 3.08), Time(1, 5, 3.02), Time(1, 5, 3.20)];
        var cell = SquadTimes.Cell(times)!;
        Assert.Equal((3.02, new DateOnly(2026, 1, 6), 1), (cell.Last, cell.Day, cell.Sign));
        Assert.Equal(UsualRange.Of([3.05, 3.04, 3.06, 3.08]), cell.Usual);
        Assert.Equal(-1, SquadTimes.Cell([.. times.Take(5), Time(1, 5, 3.09)])!.Sign);
        Assert.Equal(0, SquadTimes.Cell([.. times.Take(5), Time(1, 5, 3.06)])!.Sign);

        // Three days before tell no range, so nothing is coloured.
        var few = SquadTimes.Cell([Time(1, 1, 3.1), Time(1, 2, 3.1), Time(1, 3, 3.1), Time(1, 4, 2.5)])!;
        Assert.Equal((null, 0), (few.Usual, few.Sign));
        Assert.Null(SquadTimes.Cell([]));
    }

    [Fact]
    public void Rows_are_of_one_stretch_the_fastest_first_with_the_change_of_the_season()
    {
        var times = Enumerable.Range(0, 8).SelectMany(d => new[] { Time(1, d, 3.20 - (d * 0.02)), Time(2, d, 3.00 + (d % 2 * 0.01)), Time(2, d, 1.8, 0, 10000), Time(2, d, 2.0, key: "b") }).ToList();
        var lines = SquadTimes.Lines(times, new("a", 0, 20000));
        Assert.Equal([2, 1], lines.Select(l => l.Athlete));
        Assert.Equal(8, lines[0].Every.Count);
        Assert.Equal(3.00, lines[0].Every[0]);
        Assert.False(lines[0].Change!.IsReal);
        Assert.True(lines[1].Change!.IsReal);
        Assert.Equal(-0.08, lines[1].Change!.Change, 9);
        Assert.Equal(3.17, lines[1].From, 9);
        Assert.Equal(0, SquadTimes.Lines([Time(1, 1, 3.1)], new("a", 0, 20000))[0].From);
    }

    [Fact]
    public void Of_what_is_measured_more_is_better()
    {
        var jumps = Enumerable.Range(0, 8).SelectMany(d => new[] { Time(1, d, 30 + d, 0, 0), Time(1, d, 28, 0, 0), Time(2, d, 36 - (d % 2), 0, 0) }).ToList();
        var lines = SquadTimes.Lines(jumps, new("a", 0, 0), lessIsBetter: false);
        Assert.Equal([1, 2], lines.Select(l => l.Athlete));
        Assert.Equal((37.0, 37.0, 28.0, 4.0), (lines[0].Cell.Last, lines[0].Every[0], lines[0].Every[^1], lines[0].Gain));
        Assert.Equal((1, 0), (lines[0].Cell.Sign, lines[1].Cell.Sign));
        Assert.Equal(-1, SquadTimes.Cell([.. jumps.Where(j => j.Athlete == 2), Time(2, 9, 30, 0, 0)], false)!.Sign);

        // The same as times is a loss.
        Assert.Equal(-4.0, SquadTimes.Lines(jumps.Where(j => j.Value > 28), new("a", 0, 0)).Single(l => l.Athlete == 1).Gain);
        Assert.Null(SquadTimes.Lines(jumps.Take(3), new("a", 0, 0), false)[0].Gain);
    }

    [Fact]
    public void Trials_and_stretches_are_those_that_two_athletes_ran()
    {
        SquadTime[] times =
        [
            Time(1, 1, 3, key: "few"), Time(2, 1, 3, key: "few"), Time(1, 1, 3), Time(2, 1, 3), Time(1, 1, 1.8, 0, 10000), Time(2, 1, 1.8, 0, 10000), Time(1, 1, 1, 0, 5000),
            Time(1, 1, 1.2, 10000, 20000, "fly"), Time(2, 1, 1.2, 10000, 20000, "fly"), Time(1, 1, 1.2, 20000, 30000, "fly"), Time(2, 1, 1.2, 20000, 30000, "fly"), Time(2, 2, 1.2, 20000, 30000, "fly"), Time(1, 1, 1.1, 30000, 40000, "fly"), Time(2, 1, 1.1, 30000, 40000, "fly"), Time(2, 2, 1.1, 30000, 40000, "fly"),
            Time(5, 1, 9, key: "alone"), Time(5, 2, 9, key: "alone"), Time(5, 3, 9, key: "alone"), Time(5, 4, 9, key: "alone"), Time(5, 5, 9, key: "alone"), Time(5, 1, 0.9, 30000, 35000, "fly"), Time(5, 2, 0.9, 30000, 35000, "fly"), Time(5, 3, 0.9, 30000, 35000, "fly"), Time(5, 4, 0.9, 30000, 35000, "fly"),
        ];
        Assert.Equal(["a", "few"], SquadTimes.Trials(times));
        Assert.Equal([new("a", 0, 10000), new("a", 0, 20000), new("fly", 20000, 30000), new("fly", 30000, 40000)], SquadTimes.Stretches(times, "a"));
    }

    [Fact]
    public void Push_and_speed_are_weighed_in_the_squads_own_scatter()
    {
        var forces = new Dictionary<int, (double, double)> { [1] = (8, 9), [2] = (7, 9), [3] = (6, 9.5), [4] = (7, 8.5) };
        var of = ForceBalance.Of(forces);

        // F0: mean 7, SD 0.8165; V0: mean 9, SD 0.4082 (worked by hand).
        Assert.Equal([1.2247, 0, -2.4495, 1.2247], of.OrderBy(f => f.Key).Select(f => Math.Round(f.Value, 4)));
        Assert.Empty(ForceBalance.Of(forces.Where(f => f.Key < 4).ToDictionary()));
        Assert.Empty(ForceBalance.Of(forces.ToDictionary(f => f.Key, f => (7.0, f.Value.Item2))));
    }
}

/// <summary>Times under other conditions.</summary>
public class WhatIfTests
{
    private static readonly BodyAndAir Body = new(78, 1.83);
    private static readonly SprintForces Forces = new(9.9, 12.1, 0, 0);

    private static double At(WhatIfChange change, double metres = 100, Surface ground = Surface.Track) => WhatIf.Of(Forces, Body, change, Friction.Of(ground), [metres])[0].Then;

    [Theory]
    [InlineData(0, 9.828)]
    [InlineData(-2, 9.966)]
    [InlineData(-1, 9.894)]
    [InlineData(1, 9.769)]
    [InlineData(2, 9.716)]
    public void Wind_changes_a_hundred_metres_as_worked(double wind, double seconds)
    {
        // science.md 4: still air 9.828 s; -2, -1, +1, +2 m/s change it by +0.138, +0.066, -0.059, -0.112 s.
        Assert.Equal(seconds, At(new() { WindMetresPerSecond = wind }), 0.0011);
        Assert.Equal(9.828, WhatIf.Of(Forces, Body, new() { WindMetresPerSecond = wind }, Friction.Of(Surface.Track), [100])[0].Now, 0.0011);
    }

    [Fact]
    public void Each_change_does_what_it_does_and_nothing_else()
    {
        var flat = At(new());
        Assert.True(new WhatIfChange().IsNone);
        Assert.False(new WhatIfChange { GradePercent = 1 }.IsNone);

        // Thin air at 2,240 m helps over 100 m by about 0.07 s (Mureika 2001 gives 0.07 for still air).
        Assert.InRange(flat - At(new() { AltitudeMetres = 2240 }), 0.05, 0.10);
        Assert.True(At(new() { GradePercent = 3 }) > flat && At(new() { GradePercent = -3 }) < flat);

        // The sled counts by friction: more on the track than on artificial turf, nothing without one.
        Assert.True(At(new() { SledKilograms = 20 }) > At(new() { SledKilograms = 20 }, ground: Surface.Turf));
        Assert.True(At(new() { SledKilograms = 20 }, ground: Surface.Turf) > flat);
        Assert.Equal(double.PositiveInfinity, At(new() { SledKilograms = 200 }));

        // Heavier with the same newtons: as if F0 were less by the share, but for the little that air matters less.
        Assert.Equal(new SprintSimulation(9.9 * 78 / 82, 12.1).TimesTo([100], new(Body.DragConstant / 82))[0], At(new() { MassKilograms = 4 }), 9);
        Assert.Equal(new SprintSimulation(9.9 * 1.03, 12.1).TimesTo([30], new(Body.DragConstant / 78))[0], At(new() { PushPercent = 3 }, 30), 9);
        Assert.Equal(new SprintSimulation(9.9, 12.1 * 0.98).TimesTo([30], new(Body.DragConstant / 78))[0], At(new() { SpeedPercent = -2 }, 30), 9);
    }

    [Fact]
    public void A_range_holds_nine_in_ten_times_of_curves_that_err_so()
    {
        // 5,000 curves drawn about MSS 8.5 and tau 1.2 with the errors stated; the share within the range, for a linear model 90%.
        var (random, curve) = (new Random(5), new SprintCurve(8.5, 1.2));
        foreach (var metres in new[] { 10, 36.576, 54.864 })
        {
            var range = WhatIf.Range90(curve, 0.05, 0.02, metres);
            var within = Enumerable.Range(0, 5000).Count(_ => Math.Abs(new SprintCurve(Normal.Sample(random, 8.5, 0.05), Normal.Sample(random, 1.2, 0.02)).TimeTo(metres) - curve.TimeTo(metres)) <= range);
            Assert.InRange(within, 4400, 4600);
        }
    }

    [Theory]
    [InlineData(0.2, 0.6, "+0.2 m/s, then +0.6 m/s", true)]
    [InlineData(0.2, 0.2, "+0.2 m/s", true)]
    [InlineData(1.8, -0.5, "+1.8 m/s, then −0.5 m/s", false)]
    [InlineData(1.8, null, "not measured for both", null)]
    public void Wind_and_shoes_are_looked_at_but_forbid_nothing(double now, double? then, string says, bool? alike)
    {
        CompareSide Side(double? wind, Shoes shoes) => CompareSide.Of([new LoggedRun
        {
            Day = new(2026, 5, 4), Kind = Core.Plan.WorkKind.Acceleration, Setting = new(shoes, wind),
            Marks = [new(Distance.InMetres(10), 1.9), new(Distance.InMetres(30), 4.3)],
        }])!;
        var of = RunComparison.Of(Side(now, Shoes.Spikes), Side(then, Shoes.Flats), _ => TypicalError.Of([], Core.Demand.TimingMethod.Electronic, 4.3), _ => null)!;

        var (wind, shoes) = (of.List.Single(c => c.What == "Wind"), of.List.Single(c => c.What == "Shoes"));
        Assert.Equal((says, alike, false), (wind.Words, wind.IsAlike, wind.Forbids));
        Assert.Equal(("in spikes, then in flat shoes", (bool?)false, false), (shoes.Words, shoes.IsAlike, shoes.Forbids));
    }
}
