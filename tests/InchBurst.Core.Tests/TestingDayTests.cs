using InchBurst.Core.Progress;

namespace InchBurst.Core.Tests;

/// <summary>A day of tests: what counts, when one more attempt is taken, in which order.</summary>
public class TestingDayTests
{
    [Theory]
    [InlineData(TestCounts.Best, true, 4.20)]
    [InlineData(TestCounts.TwoBest, true, 4.25)]
    [InlineData(TestCounts.Mean, true, 4.30)]
    [InlineData(TestCounts.Best, false, 4.40)]
    [InlineData(TestCounts.TwoBest, false, 4.35)]
    public void What_counts_is_as_the_protocol_says(TestCounts counts, bool less, double is_) =>
        Assert.Equal(is_, new TestingDay(counts).Of([4.30, 4.40, 4.20], less, 3)!.Counts, 9);

    // 4.20 and 4.33 lie 3.095% apart, 4.20 and 4.32 2.857%.
    [Theory]
    [InlineData(4.33, true)]
    [InlineData(4.32, false)]
    public void One_more_is_taken_when_the_two_best_lie_too_far_apart(double second, bool more)
    {
        var result = new TestingDay().Of([second, 4.20], true, 2)!;

        Assert.Equal(more, result.AsksRerun);
        Assert.Equal((second - 4.20) / 4.20 * 100, result.ApartPercent, 9);
        Assert.Equal((4.20, (second + 4.20) / 2, 0), (result.Best, result.Mean, result.Missing));
    }

    [Fact]
    public void The_one_more_is_asked_for_once()
    {
        var day = new TestingDay();

        Assert.True(day.Of([4.20, 4.60], true, 2)!.AsksRerun);
        Assert.False(day.Of([4.20, 4.60, 4.55], true, 2)!.AsksRerun);
        Assert.False(day.Of([4.20], true, 2)!.AsksRerun);
        Assert.Equal(1, day.Of([4.20], true, 2)!.Missing);
        Assert.Equal(0, day.Of([4.20, 4.2, 4.2], true, 2)!.Missing);
        Assert.Null(day.Of([], true, 2));
    }

    [Fact]
    public void The_order_is_listed_by_lot_or_slowest_first()
    {
        int[] listed = [3, 1, 7, 5, 9, 12];
        var last = new Dictionary<int, double> { [3] = 4.1, [1] = 4.5, [7] = 4.3, [9] = 4.0 };

        Assert.Equal(listed, new TestingDay().InOrder(listed, 40, last));
        Assert.Equal([5, 12, 1, 7, 3, 9], new TestingDay(Order: TestOrder.SlowestFirst).InOrder(listed, 40, last));
        var lot = new TestingDay(Order: TestOrder.Lot);
        Assert.Equal(lot.InOrder(listed, 40, last), lot.InOrder([.. listed.Reverse()], 40, last));
        Assert.Equal(listed.Order(), lot.InOrder(listed, 40, last).Order());
        Assert.True(Enumerable.Range(1, 20).Select(s => string.Join(' ', lot.InOrder(listed, s, last))).Distinct().Count() > 15);
    }

    // Over many sessions everybody goes first about as often: chi-square of 6 places at 1% is 15.09 (5 degrees of freedom).
    [Fact]
    public void The_lot_favours_nobody()
    {
        int[] listed = [1, 2, 3, 4, 5, 6];
        var lot = new TestingDay(Order: TestOrder.Lot);

        var first = Enumerable.Range(1, 6000).GroupBy(s => lot.InOrder(listed, s, new Dictionary<int, double>())[0]).ToDictionary(g => g.Key, g => g.Count());

        Assert.True(listed.Sum(a => Math.Pow(first[a] - 1000, 2) / 1000) < 15.09);
    }

    [Fact]
    public void A_protocol_survives_being_stored()
    {
        var day = new TestingDay(TestCounts.TwoBest, TestOrder.Lot, 2.5);

        Assert.Equal(day, TestingDay.Read(day.Write()));
        Assert.Null(TestingDay.Read(""));
        Assert.Null(TestingDay.Read("Best|Lot"));
        Assert.Null(TestingDay.Read("9|Lot|3"));
        Assert.Null(TestingDay.Read("Best|9|3"));
        Assert.Null(TestingDay.Read("Best|Lot|much"));
        Assert.Null(TestingDay.Read("Best|Lot|NaN"));
        Assert.Equal(20, TestingDay.Read((day with { RerunPercent = 300 }).Write())!.RerunPercent);
        Assert.Equal(0.5, TestingDay.Read((day with { RerunPercent = 0 }).Write())!.RerunPercent);
        Assert.Equal("The mean of the two best counts; one more is taken when the two best differ by more than 2.5%.", day.Words);
        Assert.StartsWith("The best attempt counts;", new TestingDay().Words, StringComparison.Ordinal);
        Assert.StartsWith("The mean of all attempts counts;", new TestingDay(TestCounts.Mean).Words, StringComparison.Ordinal);
    }
}
