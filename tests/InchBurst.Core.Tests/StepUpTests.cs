using InchBurst.Core.Catalogue;
using InchBurst.Core.Make;
using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;

namespace InchBurst.Core.Tests;

/// <summary>The next step within a line that was written as a range: one thing at a time, volume first (common practice).</summary>
public class StepUpTests
{
    private static PlanLine Line(string text) => ShorthandLine.Read(text).Line ?? throw new ArgumentException(text);

    [Theory]
    [InlineData("2-4 x 10-20 m rest 2:00-3:00", "2-4 x 10-20 m rest 2:00-3:00", null, "2 x 10 m", "3 x 10 m rest 3:00", "a rep more")]
    [InlineData("2-4 x 10-20 m rest 2:00-3:00", "2-4 x 10-20 m rest 2:00-3:00", 3, "3 x 10 m", "4 x 10 m rest 3:00", "a rep more")]
    [InlineData("2-4 x 10-20 m rest 2:00-3:00", "2-4 x 10-20 m rest 2:00-3:00", 9, "4 x 10 m", "2 x 15 m rest 3:00", "longer, with the fewest again")]
    [InlineData("2-4 x 10-20 m rest 2:00-3:00", "3 x 15 m rest 3:00", 3, "3 x 15 m", "4 x 15 m rest 3:00", "a rep more")]
    [InlineData("2-4 x 10-20 m rest 2:00-3:00", "3 x 15 m rest 3:00", 2, "2 x 15 m", "3 x 15 m rest 3:00", "the same again: it was not finished")]
    [InlineData("2-4 x 10-20 m rest 2:00-3:00", "4 x 20 m rest 3:00", 4, "4 x 20 m", "4 x 20 m rest 2:30", "less rest")]
    [InlineData("2-4 x 10-20 m rest 2:00-3:00", "4 x 20 m rest 2:10", 4, "4 x 20 m", "4 x 20 m rest 2:00", "less rest")]
    [InlineData("2-4 x 10-20 m rest 2:00-3:00", "4 x 20 m rest 2:00", 4, "4 x 20 m", null, "the top of the range is reached: write a harder one")]
    [InlineData("2-4 x 10-12 m", "4 x 10 m", 4, "4 x 10 m", "2 x 12 m", "longer, with the fewest again")]
    [InlineData("2-4 x 20 m", "2-4 x 20 m", 2, "2 x 20 m", "3 x 20 m", "a rep more")]
    [InlineData("2-3 x 4 x 20 m rest 2:00", "2-3 x 4 x 20 m rest 2:00", 8, "2 x 4 x 20 m", "3 x 4 x 20 m rest 2:00", "a set more")]
    [InlineData("2-3 x 4 x 20 m rest 2:00", "2-3 x 4 x 20 m rest 2:00", 12, "3 x 4 x 20 m", null, "the top of the range is reached: write a harder one")]
    [InlineData("2-3 x 4 x 20 m rest 2:00", "2-3 x 4 x 20 m rest 2:00", 7, "4 x 20 m", "2 x 4 x 20 m rest 2:00", "the same again: it was not finished")]
    [InlineData("front plank 2-3 x 20-30 s", "front plank 3 x 20 s", null, "3 x 20 s", "front plank 2 x 25 s", "more, with the fewest again")]
    [InlineData("front plank 2 x 60-90 s", "front plank 2 x 60 s", 2, "2 x 1 min", "front plank 2 x 90 s", "more, with the fewest again")]
    [InlineData("pogo hops 3 x 8-10", "pogo hops 3 x 8", 3, "3 x 8 reps", "pogo hops 3 x 9 reps", "more, with the fewest again")]
    [InlineData("2-3 x 2-4 x 20 m", "2-3 x 2-4 x 20 m", 4, "2 x 2 x 20 m", "3 x 2 x 20 m", "a set more")]
    [InlineData("2-3 x 2-4 x 20 m", "2-3 x 2-4 x 20 m", 20, "3 x 2 x 20 m", null, "the top of the range is reached: write a harder one")]
    [InlineData("2-4 x 20 m rest 2:00", "2-4 x 20 m rest 2:00", 3, "3 x 20 m", "4 x 20 m rest 2:00", "a rep more")]
    [InlineData("2-4 x 20 m sled 12 kg", "2-4 x 20 m sled 12 kg", 3, "3 x 20 m", "4 x 20 m sled 12 kg", "a rep more")]
    [InlineData("mini-hurdle run 2-3 x 6 passes", "mini-hurdle run 2-3 x 6 passes", 2, "2 x 6 passes", "mini-hurdle run 3 x 6 passes", "a rep more")]
    [InlineData("squat 3 x 5 60-75% max", "squat 3 x 5 60-75% max", 3, "3 x 5 reps", "squat 3 x 5 reps 62.5% max", "more load")]
    [InlineData("squat 3 x 5 60-75% max", "squat 3 x 5 74% max", 3, "3 x 5 reps", "squat 3 x 5 reps 75% max", "more load")]
    [InlineData("squat 3 x 5 60-75% max", "squat 3 x 5 75% max", 3, "3 x 5 reps", null, "the top of the range is reached: write a harder one")]
    public void One_thing_goes_up_at_a_time(string range, string before, int? done, string was, string? next, string says)
    {
        Assert.True(StepUp.IsOpen(Line(range)));
        Assert.True(StepUp.IsOf(Line(range), Line(before)));
        var step = StepUp.Of(Line(range), Line(before), done);
        Assert.Equal((was, next, says), (step.Before, step.Next is null ? null : ShorthandPrinter.Print(step.Next), step.Says));
    }

    [Theory]
    [InlineData("2-4 x 10-20 m", "3 x 25 m")]
    [InlineData("2-4 x 10-20 m", "3 x 5 m")]
    [InlineData("2-4 x 10-20 m", "5 x 10 m")]
    [InlineData("2-4 x 10-20 m", "3 x 15 yd")]
    [InlineData("2-4 x 10-20 m", "3 x 15 m from 3-point")]
    [InlineData("2-4 x 10-20 m", "3 x 15 m @70%")]
    [InlineData("2-4 x 10-20 m @70%", "3 x 15 m")]
    [InlineData("2-4 x 10-20 m", "3 x 15 m each side")]
    [InlineData("2-4 x 10-20 m", "3 x 15 m sled 10 kg")]
    [InlineData("2-4 x 10-20 m", "3 x 15 s")]
    [InlineData("2-4 x 20 m", "3 x 15 m")]
    [InlineData("A-skip 2-4 x 10-20 m", "B-skip 3 x 15 m")]
    [InlineData("2-4 x 20 m", "2 x 3 x 20 m")]
    [InlineData("squat 3 x 5 60-75% max", "squat 3 x 5 60 kg")]
    public void Other_work_is_no_step_before_it(string range, string before) => Assert.False(StepUp.IsOf(Line(range), Line(before)));

    [Fact]
    public void What_is_done_counts_and_not_what_it_is_called() => Assert.True(StepUp.IsOf(Line("2-4 x 10-20 m @70%"), Line("3 x 15 m @70% as drill")));

    [Fact]
    public void A_line_that_leaves_nothing_open_has_no_step() => Assert.All(["4 x 20 m", "4 x 20 m @90-95%", "squat 3 x 5 75% max"], t => Assert.False(StepUp.IsOpen(Line(t))));

    [Fact]
    public void Step_by_step_the_top_is_reached_and_every_step_is_within_the_range()
    {
        var range = Line("2-3 x 10-20 m rest 2:00-3:00");
        var (now, steps) = (range, new List<string>());
        while (StepUp.Of(range, now, steps.Count == 0 ? null : now.TotalReps) is { Next: { } next })
        {
            Assert.True(StepUp.IsOf(range, next));
            steps.Add(ShorthandPrinter.Print(next));
            now = next;
            Assert.True(steps.Count < 20);
        }

        Assert.Equal(["3 x 10 m rest 3:00", "2 x 15 m rest 3:00", "3 x 15 m rest 3:00", "2 x 20 m rest 3:00", "3 x 20 m rest 3:00", "3 x 20 m rest 2:30", "3 x 20 m rest 2:00"], steps);
        Assert.Null(ExerciseCatalogue.BuiltIn.Find(range.Exercise));
    }
}
