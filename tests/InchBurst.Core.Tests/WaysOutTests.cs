using InchBurst.Core.Catalogue;
using InchBurst.Core.Shorthand;

namespace InchBurst.Core.Tests;

/// <summary>A line that is refused offers what can be done about it with one key, and each offer reads.</summary>
public class WaysOutTests
{
    private static string? Read(string line) => PlanText.ReadOne(line, ShorthandContext.Metric) is { Block: { } block } ? PlanText.PrintOne(block, ExerciseCatalogue.BuiltIn) : null;

    [Theory]
    [InlineData("4 x 20 m vs partner", "say it: vs partner", "4 x 20 m cue \"vs partner\"")]
    [InlineData("squat 3 x 5 nice and tall rest 2:00", "say it: nice and tall", "squat 3 x 5 reps rest 2:00 cue \"nice and tall\"")]
    [InlineData("4 x 20 m (last two timed by hand)", "say it: last two timed by hand", "4 x 20 m cue \"last two timed by hand\"")]
    [InlineData("cool down walk + stretch 10 min", "two lines: cool down walk · stretch 10 min", "cool-down 5 min; cool-down 10 min")]
    [InlineData("2 laps easy", "400 m", "800 m easy")]
    [InlineData("3 laps jog", "200 m", "600 m jog")]
    [InlineData("4 x 30 m 10% sled", "10% of body mass", "4 x 30 m sled 10%bm")]
    [InlineData("4 x 30 m 10% sled", "10% slower", "4 x 30 m sled -10%v")]
    [InlineData("vest 5% 4 x 20 m", "5% of body mass", "4 x 20 m vest 5%bm")]
    public void A_refused_line_offers_what_makes_it_read(string line, string label, string reads)
    {
        var problem = PlanText.ReadOne(line, ShorthandContext.Metric).Problem;

        var choice = Assert.Single(problem!.Choices, c => c.Label == label);
        Assert.Equal(reads, Read(choice.In(line)));
    }

    [Fact]
    public void A_lap_is_offered_only_as_long_as_a_run_may_be() =>
        Assert.Equal(["300 m", "200 m", "100 m"], PlanText.ReadOne("6 laps easy", ShorthandContext.Metric).Problem!.Choices.Select(c => c.Label));

    [Fact]
    public void What_would_not_read_any_further_is_not_offered()
    {
        Assert.DoesNotContain(PlanText.ReadOne("4 x 20 m cue \"push\" blue", ShorthandContext.Metric).Problem!.Choices, c => c.Label.StartsWith("say it", StringComparison.Ordinal));
        Assert.Empty(PlanText.ReadOne("4 x 20 m + + 10", ShorthandContext.Metric).Problem!.Choices);
        Assert.Empty(PlanText.ReadOne("", ShorthandContext.Metric).Problem!.Choices);
    }

    [Fact]
    public void A_slip_keeps_its_nearest_word_first()
    {
        var choices = PlanText.ReadOne("4 x 20 m gatess 10,20", ShorthandContext.Metric).Problem!.Choices;

        Assert.Equal("gates", choices[0].Label);
        Assert.Equal("4 x 20 m gates 10,20 m", Read(choices[0].In("4 x 20 m gatess 10,20")));
    }

    [Theory]
    [InlineData("A-skip, B-skip 2 x 20 m", "A-skip 2 x 20 m; B-skip 2 x 20 m")]
    [InlineData("ankle/calf/knee dribbles 20 m", "ankle dribble 20 m; calf dribble 20 m; knee dribble 20 m")]
    [InlineData("back squat 5 @ 70, 3 @ 80, 1 @ 90", "squat 5 reps 70% max; squat 3 reps 80% max; squat 1 reps 90% max")]
    [InlineData("squat 5 @ 80 kg, 3 @ 90 kg", "squat 5 reps 80 kg; squat 3 reps 90 kg")]
    [InlineData("10 m x 5 / 20 m x 3", "5 x 10 m; 3 x 20 m")]
    [InlineData("10-20-30 m ladder, walk back", "10 m rest walk-back; 20 m rest walk-back; 30 m rest walk-back")]
    [InlineData("pyramid 20/40/20 yd", "20 yd; 40 yd; 20 yd")]
    [InlineData("40-30-20-10 x 2", "2 rounds: 40 m; 30 m; 20 m; 10 m")]
    [InlineData("3 x (60+60) 3 min/8 min", "3 rounds rest 8:00: 60 m rest 3:00; 60 m")]
    [InlineData("split runs 2 x (80+60) 2 min between, 10 min sets", "2 rounds rest 10:00: 80 m rest 2:00; 60 m")]
    [InlineData("jog 5 min, leg swings, A skips 2x20, 3 strides", "easy jog 5 min; leg swing forwards 10 reps each side; A-skip 2 x 20 m; build-up 3 x 30 m")]
    public void Several_pieces_in_one_row_are_that_many_lines(string row, string reads) => Assert.Equal(reads, Read(row));

    [Theory]
    [InlineData("jog, walk 10 min", "easy jog 2 min; walk and breathe 10 min")]
    [InlineData("20-40-60 shuttle x 3", "repeat shuttle 3 x 20 up + 20 back + 40 up + 40 back + 60 up + 60 m back")]
    [InlineData("ladder 2 x 10 m", "quick feet 2 x 10 m")]
    public void What_only_looks_like_several_is_dosed_as_it_is_said(string row, string reads) => Assert.Equal(reads, Read(row));
}
