using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Core.Progress;
using InchBurst.Core.Rest;
using InchBurst.Core.Units;
using MathNet.Numerics.Distributions;

namespace InchBurst.Core.Tests;

/// <summary>What times, jumps, throws and lifts come to over a season; left and right; what is lost between reps. Figures beside the checks come from SciPy 1.10 (linregress, lstsq, t).</summary>
public class TrendTests
{
    private static readonly DateOnly First = new(2026, 3, 1);

    private static readonly (int Day, double Value)[] Jumps = [(0, 36.1), (7, 36.5), (16, 36.2), (21, 37.0), (30, 36.8), (44, 37.4), (51, 37.1), (63, 38.0)];

    private static Trend Of(IEnumerable<(int Day, double Value)> attempts, bool less = false, double? smallest = 0.3, double error = 0.5, double step = 0.1) =>
        new([.. attempts.Select(a => new Attempt(First.AddDays(a.Day), a.Value))], less, new(error, 20, true), step, smallest);

    [Fact]
    public void The_line_and_its_range_are_those_of_least_squares()
    {
        var band = Of(Jumps).Band!;

        Assert.Equal((0.026139, 36.8875, 36.129469, 37.776227), (band.PerDay, band.Level, band.At(First), band.At(First.AddDays(63))), (a, b) => Near(a.Item1, b.Item1) && Near(a.Item2, b.Item2) && Near(a.Item3, b.Item3) && Near(a.Item4, b.Item4));
        Assert.Equal(0.330849, band.Half90(First), 6);
        Assert.Equal(0.192142, band.Half90(First.AddDays(29)), 6);
        Assert.Equal(0.369638, band.Half90(First.AddDays(63)), 6);
        Assert.Null(Of(Jumps.Take(5)).Band);
        Assert.NotNull(Of(Jumps.Take(6)).Band);
    }

    private static bool Near(double a, double b) => Math.Abs(a - b) < 1e-6;

    [Fact]
    public void The_verdict_gives_the_chance_that_the_change_is_more_than_is_worth_having()
    {
        var verdict = Of(Jumps).Verdict!;
        Assert.Equal(0.875, verdict.Gain, 9);
        Assert.Equal(0.935756, verdict.Better, 6);
        Assert.Equal(0.005675, verdict.Worse, 6);
        Assert.Equal(1 - 0.935756 - 0.005675, verdict.Trivial, 5);
        Assert.Equal("likely", verdict.Sure);

        // The same figures as times are a loss.
        var slower = Of(Jumps, less: true).Verdict!;
        Assert.Equal((-0.875, 0.005675, 0.935756, "likely"), (Math.Round(slower.Gain, 9), Math.Round(slower.Better, 6), Math.Round(slower.Worse, 6), slower.Sure));

        // Without a squad's scatter half the typical error is what matters.
        Assert.Equal((0.3, 0.25), (Of(Jumps).Smallest, Of(Jumps, smallest: null).Smallest));
        Assert.Null(Of(Jumps.Take(5)).Verdict);

        // Days that are all alike still err by the rounding: 0.1 / sqrt 12 * sqrt (2 / 3) = 0.0236; a rise of 0.3 against one of 0.3 that matters is even.
        Assert.Equal(0.5, Of([(0, 30), (1, 30), (2, 30), (3, 30.3), (4, 30.3), (5, 30.3)]).Verdict!.Better, 6);
    }

    [Fact]
    public void The_best_of_a_day_stands_for_it_and_days_come_in_order()
    {
        var times = Of([(7, 4.40), (7, 4.35), (0, 4.50), (0, 4.52), (9, 4.35)], less: true, step: 0.01);
        Assert.Equal([(First, 4.50), (First.AddDays(7), 4.35), (First.AddDays(9), 4.35)], times.Days);
        Assert.Equal(((First.AddDays(7), 4.35), (First.AddDays(9), 4.35)), (times.Best, times.Last));
        Assert.Equal((First.AddDays(3), 2.31), Of([(0, 2.20), (3, 2.31), (3, 2.25)]).Best);

        // What is usual leaves out the last day and what is older than twelve weeks.
        var usual = Of([(0, 9), (10, 2.2), (20, 2.2), (30, 2.2), (40, 2.2), (84 + 10, 5)]);
        Assert.Equal(new UsualRange(2.2, 2.2), usual.Usual);
        Assert.Null(Of([(0, 2.2), (9, 2.2), (20, 2.2), (30, 2.2), (84 + 10, 5)]).Usual);
    }

    [Fact]
    public void What_is_lost_within_a_session_is_one_slope_through_all_days()
    {
        IReadOnlyList<double>[] days = [[4.30, 4.33, 4.35, 4.36], [4.28, 4.29, 4.34], [4.31, 4.32]];
        var drop = SessionDrop.Of(days, true)!;
        Assert.Equal(0.00528729, drop.Share, 8);
        Assert.Equal(0.00211401, drop.Half90, 7);
        Assert.Equal((7, 2, true), (drop.Attempts, drop.Days, drop.IsReal));
        Assert.Equal(-drop.Share, SessionDrop.Of(days, false)!.Share, 12);
        Assert.Null(SessionDrop.Of([[4.31, 4.32]], true));

        // A trend takes it day by day.
        var whole = new Trend([.. days.SelectMany((d, i) => d.Select(v => new Attempt(First.AddDays(i), v)))], true, new(0.01, 20, true), 0.01, null);
        Assert.Equal(drop.Share, whole.Drop!.Share, 12);
    }

    [Fact]
    public void Pure_noise_is_called_a_loss_or_a_change_as_often_as_is_said_and_the_line_lies_in_its_range()
    {
        var random = new Random(11);
        double Draw(double mean) => Normal.Sample(random, mean, 0.02);
        var (lost, held) = (0, 0);
        for (var i = 0; i < 5000; i++)
        {
            lost += SessionDrop.Of(Enumerable.Range(0, 5).Select(_ => (IReadOnlyList<double>)[.. Enumerable.Range(0, 4).Select(_ => Draw(4.4))]), true)!.IsReal ? 1 : 0;
            var band = TrendBand.Of([.. Enumerable.Range(0, 9).Select(d => (First.AddDays(d * 5), Draw(4.4 - (0.001 * d * 5))))])!;
            held += Math.Abs(band.At(First.AddDays(40)) - 4.36) <= band.Half90(First.AddDays(40)) ? 1 : 0;
        }

        // 10% and 90%, give or take three standard errors of 5,000 trials.
        Assert.InRange(lost / 5000.0, 0.087, 0.113);
        Assert.InRange(held / 5000.0, 0.887, 0.913);
    }

    [Fact]
    public void Sides_are_compared_over_days_with_the_days_taken_out()
    {
        (IReadOnlyList<double>, IReadOnlyList<double>)[] days = [([1.71, 1.69], [1.60, 1.62]), ([1.74], [1.63, 1.66]), ([1.66, 1.70, 1.68], [1.59, 1.61]), ([1.95], [])];
        var gap = SideGap.Of(days, 0.003, false)!;
        Assert.Equal(0.0511348, gap.Share, 7);
        Assert.Equal(0.0125349, gap.ErrorShare, 7);
        Assert.Equal((true, true), (gap.IsLeftBetter, gap.IsBeyondError));

        // As times the same figures make the right the faster one.
        Assert.False(SideGap.Of(days, 0.003, true)!.IsLeftBetter);

        // Measured so roughly that it is nothing: 1.96 * 0.2 * sqrt(1 / weight) of 1.70.
        var rough = SideGap.Of(days, 0.2, false)!;
        Assert.False(rough.IsBeyondError);
        Assert.Equal(1.959964 * 0.2 * 0.590624 / 1.700930, rough.ErrorShare, 3);
        Assert.Null(SideGap.Of([([1.7], []), ([], [1.6])], 0.01, false));
        Assert.Equal((1.0, false), (SideGap.Of([([1.7], [1.6])], 0.001, false)!.ErrorShare, SideGap.Of([([1.7], [1.6])], 0.001, false)!.IsBeyondError));

        // A trend takes the days on which there were both, and of those the last twelve weeks.
        Attempt[] left = [.. days.SelectMany((d, i) => d.Item1.Select(v => new Attempt(First.AddDays(i), v, Side.Left))), new(First.AddDays(-200), 1.2, Side.Left)];
        Attempt[] right = [.. days.SelectMany((d, i) => d.Item2.Select(v => new Attempt(First.AddDays(i), v, Side.Right))), new(First.AddDays(-200), 1.9, Side.Right)];
        Assert.Equal(gap, Trend.Sides(left, right, 0.003, false));
        Assert.Equal(gap, Trend.Sides([.. left, new(First.AddDays(2 - Trend.SideDays - 1), 1, Side.Left)], [.. right, new(First.AddDays(2 - Trend.SideDays - 1), 2, Side.Right)], 0.003, false));
        Assert.NotEqual(gap, Trend.Sides([.. left, new(First.AddDays(2 - Trend.SideDays), 1, Side.Left)], [.. right, new(First.AddDays(2 - Trend.SideDays), 2, Side.Right)], 0.003, false));
        Assert.Null(Trend.Sides(left, [], 0.003, false));
    }

    [Fact]
    public void One_who_is_alike_on_both_sides_is_called_different_in_at_most_one_of_twenty()
    {
        var random = new Random(3);
        IReadOnlyList<double> Draw(double mean) => [.. Enumerable.Range(0, 2).Select(_ => Normal.Sample(random, mean, 0.03))];
        var called = Enumerable.Range(0, 5000).Count(_ => SideGap.Of([.. new[] { 1.6, 1.7, 1.65 }.Select(day => (Draw(day), Draw(day)))], 0.001, false)!.IsBeyondError);
        Assert.InRange(called / 5000.0, 0.040, 0.060);
    }

    [Fact]
    public void A_measure_errs_as_its_repeats_say_or_as_is_usual_but_never_less_than_it_is_read_to()
    {
        // science.md 9 (Hopkins 2000): the same table twice, as lengths.
        double[] first = [1.08, 1.11, 1.05, 1.10, 1.07, 1.12], second = [1.07, 1.12, 1.06, 1.08, 1.08, 1.11];
        var pairs = first.Zip(second, (a, b) => (IReadOnlyList<double>)[a, b]).ToList();
        var rule = Measures.Of(MeasureKind.JumpLength);
        Assert.Equal(0.0094 * Math.Sqrt(10.0 / 11), TypicalError.Of(pairs.Concat(pairs), rule, 1.1).Size, 4);
        Assert.Equal(new TypicalError(0.03 * 1.1, 30, false), TypicalError.Of(pairs, rule, 1.1));
        Assert.Equal(0.005 / Math.Sqrt(12), TypicalError.Of(Enumerable.Repeat((IReadOnlyList<double>)[0.4, 0.4], 9), Measures.Of(MeasureKind.JumpHeight), 0.4).Size, 12);
        Assert.Equal(2.5 / Math.Sqrt(12), TypicalError.Of([], Measures.Of(MeasureKind.Load), 10).Size, 12);
        Assert.Equal([MeasureKind.Time, MeasureKind.HeartRate], Measures.All.Where(m => m.LessIsBetter).Select(m => m.Kind));
    }

    [Fact]
    public void A_squad_scatters_by_what_stands_for_each_athlete()
    {
        (int, DateOnly, double)[] figures = [.. Enumerable.Range(0, 4).SelectMany(a => Enumerable.Range(0, 4).Select(d => (a, First.AddDays(d / 2), d == 0 ? 99 : 10.0 + a)))];
        var scatter = SquadScatter.Of(figures);
        Assert.Equal([10.0, 11, 12, 13], scatter.Athletes.OrderBy(a => a.Key).Select(a => a.Value));
        Assert.Equal(8, scatter.Repeats.Count);
        Assert.Equal([99.0, 10], scatter.Repeats[0]);

        // A fifth of the standard deviation of 10, 11, 12 and 13, which is 1.290994.
        Assert.Equal(0.2 * 1.290994, scatter.Smallest!.Value, 6);
        Assert.Null(SquadScatter.Of(figures.Where(f => f.Item1 < 3)).Smallest);
        Assert.Null(SquadScatter.Of(figures.Select(f => (f.Item1, f.Item2, 5.0))).Smallest);
    }

    [Theory]
    [InlineData(0.5, 0.3066)]
    [InlineData(0.8, 0.7848)]
    [InlineData(0, 0)]
    public void Height_follows_from_the_time_in_the_air(double seconds, double metres) =>
        Assert.Equal(metres, AirTime.Height(seconds), 4); // science.md 11: 0.500 s is 0.307 m.

    // Sets made by the model as it is fitted: each sprint takes what it took.
    private static RepeatSet Set(double recovery, double sprint, double[] rests, Func<double> noise)
    {
        var (times, p) = (new List<double>(), 1.0);
        for (var rep = 0; rep <= rests.Length; rep++)
        {
            times.Add(sprint / (1 - (0.43 * (1 - p) * (1 - p))) * Math.Exp(noise()));
            p = rep == rests.Length ? p : 1 - ((1 - (p * Math.Exp(-times[^1] / 9.4))) * Math.Exp(-rests[rep] / recovery));
        }

        return new(times, rests);
    }

    private static readonly double[] Short = [20, 20, 20, 20, 20];
    private static readonly double[] Mixed = [30, 25, 40, 20];

    [Theory]
    [InlineData(30)]
    [InlineData(60)]
    [InlineData(95)]
    public void An_own_constant_of_recovery_is_found_again(double recovery)
    {
        RepeatSet[] sets = [Set(recovery, 3.8, Short, () => 0), Set(recovery, 4.2, Mixed, () => 0), Set(recovery, 3.9, Short, () => 0)];
        var own = OwnRecovery.Of(sets).Own!;

        Assert.Equal(recovery, own.Seconds, 2);
        Assert.Equal((17, 3), (own.Reps, own.Sets));
        Assert.True(own.Least < own.Seconds && own.Seconds < own.Most);
    }

    [Fact]
    public void The_range_of_an_own_constant_holds_it_nine_times_of_ten()
    {
        var random = new Random(8);
        var (held, told) = (0, 0);
        for (var i = 0; i < 1500; i++)
        {
            RepeatSet Draw(double[] rests) => Set(60, 4, rests, () => Normal.Sample(random, 0, 0.006));
            if (OwnRecovery.Of([Draw(Short), Draw(Short), Draw(Mixed), Draw(Short)]).Own is { } own)
            {
                told++;
                held += own.Least <= 60 && 60 <= own.Most ? 1 : 0;
            }
        }

        // 90%, give or take three standard errors of 1,500 trials.
        Assert.Equal(1500, told);
        Assert.InRange(held / 1500.0, 0.876, 0.924);
    }

    [Fact]
    public void Where_the_log_cannot_tell_the_reason_is_said()
    {
        var random = new Random(4);
        var even = Set(60, 4, Short, () => 0);
        Assert.Contains("is one", OwnRecovery.Of([even]).Reason);
        Assert.Contains("are 2", OwnRecovery.Of([even, even, new([4, 4, 4], [20, 20]), new([4, 4, 4, 4], [20, 20])]).Reason);
        Assert.NotNull(OwnRecovery.Of([even, even, even]).Own);
        Assert.NotNull(OwnRecovery.Of([.. Enumerable.Repeat(Set(60, 4, [20, 20, 20], () => 0), 3)]).Own);

        // Rests of four minutes lose nothing, so that nothing is told of how soon it comes back.
        Assert.Contains("rests were too long", OwnRecovery.Of([.. Enumerable.Range(0, 6).Select(_ => Set(60, 4, [240, 240, 240, 240], () => Normal.Sample(random, 0, 0.006)))]).Reason);
        Assert.Contains("rests were too long", OwnRecovery.Of([.. Enumerable.Range(0, 3).Select(_ => new RepeatSet([4.1, 4.05, 4.02, 4.0], [20, 20, 20]))]).Reason);
        Assert.Contains("differ too much", OwnRecovery.Of([.. Enumerable.Range(0, 3).Select(_ => new RepeatSet([4, 4.2, 3.95, 4.25, 4.0], [60, 60, 60, 60]))]).Reason);
    }

    [Fact]
    public void The_shortest_rest_that_keeps_a_share_keeps_it_and_the_next_shorter_one_does_not()
    {
        var own = new OwnRecovery(50, 45, 56, 30, 5);
        var rest = own.RestFor(6, 4, 0.98)!.Value;
        Assert.True(RepeatSprint.Shares(6, 4, rest, 50)[^1] >= 0.98);
        Assert.True(RepeatSprint.Shares(6, 4, rest - 5, 50)[^1] < 0.98);
        Assert.Equal((5, null), (own.RestFor(1, 4, 1), own.RestFor(6, 4, 1.01)));
        Assert.Equal(RepeatSprint.Shares(6, 4, 30), RepeatSprint.Shares([4, 4, 4, 4, 4, 4], [30, 30, 30, 30, 30], RepeatSprint.UsualRecovery));
    }
}
