using CsCheck;
using InchBurst.Core.Progress;

namespace InchBurst.Core.Tests;

/// <summary>What changed over a season, and what is only noise.</summary>
public class SeasonChangeTests
{
    [Fact]
    public void First_days_and_last_days_are_compared_with_the_scatter_of_both()
    {
        // By hand: means 2 and 6; squares 2 + 2 over 2 * (4 - 1) = 0.667; error sqrt(0.667 * 2 / 4) = 0.577.
        var change = SeasonChange.Of([1, 2, 3, 2, 9, 9, 5, 6, 7, 6])!;
        Assert.Equal((4.0, 4, true), (change.Change, change.Days, change.IsReal));
        Assert.Equal(0.5774, change.Error, 4);

        // Six days: three at each end, none twice. Five tell nothing.
        Assert.Equal((3, 1.0), (SeasonChange.Of([1, 1, 1, 2, 2, 2])!.Days, SeasonChange.Of([1, 1, 1, 2, 2, 2])!.Change));
        Assert.Null(SeasonChange.Of([1, 1, 1, 2, 2]));
        Assert.Equal(3, SeasonChange.Of([1, 1, 1, 5, 2, 2, 2])!.Days);
        Assert.Equal(4, SeasonChange.Of([1, 1, 1, 1, 2, 2, 2, 2])!.Days);

        // At the 95th percentile of Student's t with 4 degrees of freedom, 2.132 errors (published tables), nothing is called; nobody who stands still changes.
        Assert.False(SeasonChange.Of([1, 1, 1, 1, 1, 1])!.IsReal);
        var of = SeasonChange.Of([0, 2, 1, 0, 2, 1])!;
        Assert.Equal((4, 6), (of.Freedom, change.Freedom));
        Assert.Equal(2.1318, of.Half90 / of.Error, 4);
        Assert.Equal(1.9432, change.Half90 / change.Error, 4);
        var edge = of.Half90;
        Assert.False(SeasonChange.Of([0, 2, 1, edge - 1e-9, edge + 2 - 1e-9, edge + 1 - 1e-9])!.IsReal);
        Assert.True(SeasonChange.Of([0, 2, 1, edge + 1e-9, edge + 2 + 1e-9, edge + 1 + 1e-9])!.IsReal);
    }

    [Theory]
    [InlineData(6)]
    [InlineData(12)]
    public void Of_those_who_did_not_change_one_in_ten_is_called_changed(int days)
    {
        var random = new Random(5);
        var called = Enumerable.Range(0, 5000).Count(_ => SeasonChange.Of([.. Enumerable.Range(0, days).Select(_ => MathNet.Numerics.Distributions.Normal.Sample(random, 50, 2))])!.IsReal);

        // 10%, give or take three standard errors of 5,000 trials.
        Assert.InRange(called / 5000.0, 0.087, 0.113);
    }

    [Fact]
    public void What_is_usual_lies_between_the_5th_and_the_95th_percentile_of_four_sessions_and_more()
    {
        Assert.Null(UsualRange.Of([3.0, 3.1, 3.2]));

        // Definition 8 of Hyndman and Fan (1996): the place of a percentile p among n values is p (n + 1/3) + 1/3.
        double[] bests = [3.20, 3.00, 3.04, 3.12, 3.08, 3.16, 3.24, 3.28, 3.32, 3.36, 3.40, 3.44, 3.48, 3.52, 3.56, 3.60, 3.64, 3.68, 3.72, 3.76];
        double At(double p) => 3.00 + (0.04 * ((p * (20 + (1 / 3.0))) + (1 / 3.0) - 1));
        var range = UsualRange.Of(bests)!;
        Assert.Equal((At(0.05), At(0.95)), (range.Least, range.Most), (a, b) => Math.Abs(a.Item1 - b.Item1) < 1e-9 && Math.Abs(a.Item2 - b.Item2) < 1e-9);
        Assert.Equal(new UsualRange(3, 3), UsualRange.Of([3, 3, 3, 3]));
    }

    [Theory]
    [InlineData(100, null, 100.0)]
    [InlineData(100, 1, 100.0)]
    [InlineData(100, 0, 100.0)]
    [InlineData(100, 2, 106.6667)]
    [InlineData(90, 10, 120.0)]
    [InlineData(90, 11, null)]
    public void The_most_that_could_be_lifted_once_follows_from_load_and_reps(double load, int? reps, double? most)
    {
        // Epley 1985 (from memory): load * (1 + reps / 30).
        var of = LiftMaximum.Of(load, reps);
        Assert.Equal(most is null, of is null);
        Assert.Equal(most ?? 0, of ?? 0, 4);
    }

    [Fact]
    public void A_rate_is_of_the_runs_watched_before_the_first_drill_and_since()
    {
        static DateOnly Day(int d) => new(2026, 9, d);
        IReadOnlyList<(DateOnly, int, int)> days = [(Day(1), 4, 2), (Day(3), 4, 3), (Day(8), 5, 1), (Day(10), 5, 0)];
        Assert.Equal(new SeenRate(62.5, 10, Day(8), true), SeenRate.Of(days, [Day(12), Day(8)]));

        // Without a drill the halves are compared; with one on the first day there is no before.
        Assert.Equal(new SeenRate(62.5, 10, null, true), SeenRate.Of(days, []));
        Assert.Equal((null, Day(1)), (SeenRate.Of(days, [Day(1)]).Was, SeenRate.Of(days, [Day(1)]).Since));
        Assert.Equal(new SeenRate(null, null, null, false), SeenRate.Of([], []));

        // Four runs are too few, five are enough; and few sightings are noise.
        Assert.Equal((null, 50.0), (SeenRate.Of([(Day(1), 4, 4), (Day(2), 6, 3)], [Day(2)]).Was, SeenRate.Of([(Day(1), 4, 4), (Day(2), 6, 3)], [Day(2)]).Is));
        Assert.Equal(80, SeenRate.Of([(Day(1), 5, 4), (Day(2), 6, 3)], [Day(2)]).Was);
        Assert.False(SeenRate.Of([(Day(1), 5, 2), (Day(2), 6, 2)], [Day(2)]).IsReal);
        Assert.False(SeenRate.Of([(Day(1), 50, 2), (Day(2), 60, 1)], [Day(2)]).IsReal);
    }
}
