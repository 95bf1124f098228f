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
    [InlineData("4 x 20 m (two of them timed by hand)", "say it: two of them timed by hand", "4 x 20 m cue \"two of them timed by hand\"")]
    [InlineData("cool down walk + stretch 10 min", "two lines: cool down walk · stretch 10 min", "cool-down 5 min; cool-down 10 min")]
    [InlineData("2 laps easy", "400 m", "800 m easy")]
    [InlineData("3 laps jog", "200 m", "600 m jog")]
    [InlineData("4 x 30 m 10% sled", "10% of body mass", "4 x 30 m sled 10%bm")]
    [InlineData("4 x 30 m 10% sled", "10% slower", "4 x 30 m sled -10%v")]
    [InlineData("150 m shuttle x 3", "legs of 50 m", "repeat shuttle 3 x 50 up + 50 back + 50 m up")]
    [InlineData("150 yard shuttles x 3, 60s", "legs of 25 yd", "repeat shuttle 3 x 25 up + 25 back + 25 up + 25 back + 25 up + 25 yd back rest 1:00")]
    [InlineData("walking lunges 3x10", "10 reps", "walking lunge 3 x 10 reps")]
    [InlineData("walking lunges 3x10", "10 m", "walking lunge 3 x 10 m")]
    [InlineData("hill sprints x 8, 10 sec", "of work", "hill sprint 8 x 10 s")]
    [InlineData("hill sprints x 8, 10 sec", "of rest", "hill sprint 8 x 20 m rest 0:10")]
    [InlineData("tempo 100s x 8", "100 m", "tempo run 8 x 100 m")]
    [InlineData("Mia and Zoe 3 x 20m", "for Mia, Zoe", "3 x 20 m for \"Mia\", \"Zoe\"")]
    [InlineData("Mirelle: 4 x 30m rest 3 min", "for Mirelle", "4 x 30 m rest 3:00 for \"Mirelle\"")]
    [InlineData("vest 5% 4 x 20 m", "5% of body mass", "4 x 20 m vest 5%bm")]
    [InlineData("back pedal to sprint 3x10m", "10m of each", "3 x 10 backpedal + 10 m sprint")]
    [InlineData("back pedal to sprint 3x10m", "10m in all", "3 x 5 backpedal + 5 m sprint")]
    [InlineData("shuffle into a sprint 4 x 15 yd, rest 2:00", "15 yd in all", "4 x 7.5 shuffle + 7.5 yd sprint rest 2:00")]
    [InlineData("skip to bound 3 x 20m", "20m in all", "3 x 10 skip + 10 m bound")]
    [InlineData("A skip 20m, B skip 20m x 3", "all of it, 3 times", "3 rounds: A-skip 20 m; B-skip 20 m")]
    [InlineData("A skip 20m, B skip 20m x 3", "only the last", "A-skip 20 m; B-skip 3 x 20 m")]
    [InlineData("hill sprints 3x6", "6 reps of the usual length", "hill sprint 3 x 6 x 20 m")]
    [InlineData("2 x 5 strides", "5 reps of the usual length", "build-up 2 x 5 x 30 m")]
    [InlineData("tempo 3 x 10", "10 m", "tempo run 3 x 10 m")]
    [InlineData("2 x 6 block starts", "6 m", "block start 2 x 6 m")]
    public void A_refused_line_offers_what_makes_it_read(string line, string label, string reads)
    {
        var problem = PlanText.ReadOne(line, ShorthandContext.Metric).Problem;

        var choice = Assert.Single(problem!.Choices, c => c.Label == label);
        Assert.Equal(reads, Read(choice.In(line)));
    }

    // A run of an exercise as long as it may well be is asked about by nobody, nor is a drill.
    [Theory]
    [InlineData("falling starts 2 x 5", "falling start 2 x 5 m")]
    [InlineData("block starts 3 x 10", "block start 3 x 10 m")]
    [InlineData("tempo 3 x 30", "tempo run 3 x 30 m")]
    [InlineData("A-skip 2 x 8", "A-skip 2 x 8 m")]
    [InlineData("4 x 8", "4 x 8 m")]
    public void A_bare_number_that_is_a_length_is_one(string line, string reads) => Assert.Equal(reads, Read(line));

    // A habit that looks at a piece of the line and leaves it leaves every character in its place.
    [Fact]
    public void What_is_left_as_it_was_is_pointed_at_where_it_stands()
    {
        const string typed = "deadlift into glorp 3 x 5";
        var problem = PlanText.ReadOne(typed, ShorthandContext.Metric).Problem!;
        Assert.Equal("into", typed.Substring(problem.Start, problem.Length));
    }

    // A remark that can be nothing else is taken as one, and said back; whatever may mean something is asked about.
    [Theory]
    [InlineData("6x30m, stay tall", "6 x 30 m cue \"stay tall\"")]
    [InlineData("4 x 20 m (last two by hand)", "4 x 20 m cue \"last two by hand\"")]
    [InlineData("4x20m w/ gun", "4 x 20 m cue \"on the gun\"")]
    [InlineData("4 x 20 m, no arms, rest 2:00", "4 x 20 m rest 2:00 cue \"no arms\"")]
    [InlineData("A-skip 3 x 20m, knees to hip height", "A-skip 3 x 20 m cue \"knees to hip height\"")]
    [InlineData("30m x 5 timed, 3 min, spikes", "5 x 30 m rest 3:00 log time cue \"spikes\"")]
    public void A_remark_set_off_is_said_to_the_athlete(string line, string reads) => Assert.Equal(reads, Read(line));

    [Theory]
    [InlineData("4x30m hip belt")]
    [InlineData("4 x 20 m, hurdles")]
    [InlineData("4 x 20 m, sleds")]
    [InlineData("4 x 20 m, flyng")]
    [InlineData("4 x 20 m, pbx")]
    [InlineData("4 x 20 m, all")]
    [InlineData("4 x 20 m, push cue \"tall\"")]
    [InlineData("4 x 20 m (30 m zone)")]
    [InlineData("4 x 20 m as accelaration")]
    [InlineData("stay tall, stay long")]
    public void What_may_mean_something_is_no_remark(string line) => Assert.NotNull(PlanText.ReadOne(line, ShorthandContext.Metric).Problem);

    [Theory]
    [InlineData("contrast: 15m sled then 20m free x4", "4 rounds: 15 m sled; 20 m")]
    [InlineData("contrast 2 sets (10m heavy sled, 20m free)", "2 rounds: heavy sled 10 m; 20 m")]
    [InlineData("contrast 10 yd band + 10 yd", "3 rounds: 10 yd band; 10 yd")]
    [InlineData("2x10 2x20 2x30", "2 x 10 m; 2 x 20 m; 2 x 30 m")]
    [InlineData("3pt starts 3x10, 3x20 rest 2 min", "3 x 10 m from 3-point rest 2:00; 3 x 20 m from 3-point rest 2:00")]
    [InlineData("200m, 180m, 160m @ 85-90%, 6 min", "200 m @85-90% rest 6:00; 180 m @85-90% rest 6:00; 160 m @85-90% rest 6:00")]
    public void What_is_dosed_several_times_is_that_many_lines(string row, string reads) => Assert.Equal(reads, Read(row));

    [Fact]
    public void What_is_held_may_be_counted_too() =>
        Assert.Equal(["8 min", "8 s", "8 reps"], PlanText.ReadOne("copenhagen 2x8 each side", ShorthandContext.Metric).Problem!.Choices.Select(c => c.Label));

    [Fact]
    public void A_lap_is_offered_only_as_long_as_a_run_may_be() =>
        Assert.Equal(["300 m", "200 m", "100 m"], PlanText.ReadOne("30 laps easy", ShorthandContext.Metric).Problem!.Choices.Select(c => c.Label));

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
