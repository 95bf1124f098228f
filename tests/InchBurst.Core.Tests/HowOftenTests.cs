using InchBurst.Core.Catalogue;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Units;

namespace InchBurst.Core.Tests;

/// <summary>How often, how far and after what, where a line leaves one of them out or says it in another way. What each means is common practice.</summary>
public sealed class HowOftenTests
{
    private static string Read(string row) => PlanText.ReadOne(row, ShorthandContext.Metric) is var (block, problem) && block is not null
        ? PlanText.PrintOne(block, ExerciseCatalogue.BuiltIn)
        : "? " + problem!.Message;

    private static IReadOnlyList<string> Asked(string row) => [.. PlanText.ReadOne(row, ShorthandContext.Metric).Problem!.Choices.Select(c => Read(c.In(row)))];

    [Theory]
    [InlineData("6 starts", "6 starts of what length?", "6 x 10 m", "6 x 20 m", "6 x 30 m")]
    [InlineData("8 sprints, 2 min rest", "8 sprints of what length?", "8 x 10 m rest 2:00", "8 x 20 m rest 2:00", "8 x 30 m rest 2:00")]
    [InlineData("5 hard sprints", "5 sprints of what length?", "5 x 10 m fast", "5 x 20 m fast", "5 x 30 m fast")]
    [InlineData("4 dashes 3'", "4 dashes of what length?", "4 x 10 m rest 3:00", "4 x 20 m rest 3:00", "4 x 30 m rest 3:00")]
    [InlineData("sprint 6 x", "6 sprints of what length?", "6 x 10 m", "6 x 20 m", "6 x 30 m")]
    [InlineData("6x sprint", "6 sprints of what length?", "6 x 10 m", "6 x 20 m", "6 x 30 m")]
    [InlineData("5 starts from blocks", "5 starts of what length?", "5 x 10 m from blocks", "5 x 20 m from blocks", "5 x 30 m from blocks")]
    [InlineData("7 sprints every 2 min", "7 sprints of what length?", "7 x 10 m rest every 2:00", "7 x 20 m rest every 2:00", "7 x 30 m rest every 2:00")]
    public void How_many_runs_without_how_far_asks_how_far_and_keeps_the_rest_of_the_line(string row, string asks, params string[] choices)
    {
        Assert.Equal("? " + asks, Read(row));
        Assert.Equal(choices, Asked(row));
    }

    [Theory]
    [InlineData("6 starts")]
    [InlineData("6x start")]
    public void In_a_squad_that_counts_in_yards_yards_are_offered(string row) =>
        Assert.Equal(["6 x 10 yd", "6 x 20 yd", "6 x 30 yd"], PlanText.ReadOne(row, new(DistanceUnit.Yard, ExerciseCatalogue.BuiltIn)).Problem!.Choices.Select(c => c.In(row)));

    [Theory]
    [InlineData("sprint 20", "20 m")]
    [InlineData("run 60", "60 m")]
    [InlineData("6 sprints, 20m", "6 x 20 m")]
    [InlineData("run 3 x 5 min", "3 x 5 min")]
    [InlineData("6 hill sprints", "hill sprint 6 x 20 m")]
    [InlineData("6 strides", "build-up 6 x 30 m")]
    [InlineData("40 yard dash", "40 yd")]
    public void Where_how_far_is_said_or_usual_nothing_is_asked(string row, string reads) => Assert.Equal(reads, Read(row));

    [Theory]
    [InlineData("deadlift 2x5 120", "120 of what?", "deadlift 2 x 5 reps 120 kg", "deadlift 2 x 5 reps 120 lb")]
    [InlineData("squat 3 x 5 82.5, rest 3 min", "82.5 of what?", "squat 3 x 5 reps 82.5 kg rest 3:00", "squat 3 x 5 reps 82.5 lb rest 3:00")]
    public void A_number_behind_a_lift_is_a_load_of_which_the_unit_is_asked(string row, string asks, params string[] choices)
    {
        Assert.Equal("? " + asks, Read(row));
        Assert.Equal(choices, Asked(row));
    }

    // What is not a lift takes no load, so no load is offered for it.
    [Fact]
    public void Behind_a_drill_no_load_is_offered() => Assert.DoesNotContain("of what?", Read("A-skip 2 x 20 120"), StringComparison.Ordinal);

    [Theory]
    [InlineData("6 flys", "6 x 20 build + 10 fly + 20 m slow")]
    [InlineData("3 x 10 flys", "3 x 20 build + 10 fly + 20 m slow")]
    [InlineData("30m 20m fly", "30 build + 20 m fly")]
    [InlineData("4 x 25 yd 10 yd fly", "4 x 25 build + 10 yd fly")]
    [InlineData("squat 3x3 @ 0.8", "squat 3 x 3 reps 80% max")]
    [InlineData("4 x 30 m @ .95", "4 x 30 m @95%")]
    public void A_bare_number_counts_flying_runs_and_a_share_may_be_a_fraction_of_one(string row, string reads) => Assert.Equal(reads, Read(row));

    // 200 m in 40 s is 5 m/s, 200 m in 20 s 10 m/s; 100 m in 90 s nobody runs.
    [Theory]
    [InlineData("2 x 200m 40s 3 min", "2 x 200 m in 40 s rest 3:00")]
    [InlineData("2 x 200m 20s 3 min", "2 x 200 m in 20 s rest 3:00")]
    [InlineData("2 x 200m 15s 3 min", "?")]
    [InlineData("2 x 200m (40 s), 3 min", "2 x 200 m in 40 s rest 3:00")]
    [InlineData("2 x 100m (90 s), 3 min", "?")]
    public void Of_two_times_the_first_is_what_it_is_run_in_where_it_can_be(string row, string reads) => Assert.StartsWith(reads, Read(row));

    [Theory]
    [InlineData("float sprint 3x60m 20-20-20", "3 x 20 fast + 20 float + 20 m fast")]
    [InlineData("float sprint 3x60m 20-20-30", "?")]
    [InlineData("fast float fast 2 x 90 yd 30/30/30", "2 x 30 fast + 30 float + 30 yd fast")]
    [InlineData("4 x 60: 20 build 20 fly 20 ease", "4 x 20 build + 20 fly + 20 m slow")]
    [InlineData("4 x 60 yd: 20 easy 40 hard", "4 x 20 float + 40 yd fast")]
    [InlineData("4 x 60: 20 build 20 fly 30 ease", "?")]
    [InlineData("RSA 6x40 (20+20) 20s", "repeat sprints 6 x 20 up + 20 m back rest 0:20")]
    [InlineData("RSA 6x50 (20+20) 20s", "?")]
    [InlineData("extensive tempo 2000m: 10x200", "tempo run 10 x 200 m")]
    [InlineData("extensive tempo 2400m: 10x200", "?")]
    public void Parts_are_taken_where_they_come_to_the_whole(string row, string reads) => Assert.StartsWith(reads, Read(row));

    [Theory]
    [InlineData("sprinters: 4x30m 3 min, jumpers: 3x20m", "4 x 30 m rest 3:00 for \"sprinters\"; 3 x 20 m for \"jumpers\"")]
    [InlineData("Squad A 4x20m, Squad B 4x30m", "4 x 20 m for \"Squad A\"; 4 x 30 m for \"Squad B\"")]
    [InlineData("squat: 3x5, bench: 3x5", "squat 3 x 5 reps; bench press 3 x 5 reps")]
    [InlineData("speed: 3 x 20 m, jumpers: 2 x 20 m", "?")]
    public void Work_is_for_those_named_in_front_unless_that_is_an_exercise_or_a_heading(string row, string reads) => Assert.StartsWith(reads, Read(row));

    [Theory]
    [InlineData("plank hold 3 x 20 s", "front plank 3 x 20 s")]
    [InlineData("iso split squat hold 2 x 30s each", "split squat 2 x 30 s each side")]
    [InlineData("superman hold 3x20s", "superman 3 x 20 s")]
    [InlineData("wall hold 3x20s", "wall hold 3 x 20 s")]
    [InlineData("squat hold 3 x 5", "?")]
    [InlineData("A-skip hold 3 x 5 s", "?")]
    public void What_is_held_for_seconds_may_be_said_to_be_a_hold(string row, string reads) => Assert.StartsWith(reads, Read(row));

    [Theory]
    [InlineData("5 x 20 m rest 2½ min", "5 x 20 m rest 2:30")]
    [InlineData("5 x 20 m rest 2 1/2 min", "5 x 20 m rest 2:30")]
    [InlineData("100m in 2 1/2 min", "100 m in 2:30")]
    public void A_half_more_is_counted(string row, string reads) => Assert.Equal(reads, Read(row));

    [Theory]
    [InlineData("45 degree cuts 20 x 4 each", "cut forty-five 20 x 4 x 8 + cut 45 + 8 m each side")]
    [InlineData("45 degree cuts 21 x 4 each", "? Sets must be from 1 to 20.")]
    [InlineData("20 x 4 x 10 m", "20 x 4 x 10 m")]
    [InlineData("21 x 4 x 10 m", "? Sets must be from 1 to 20.")]
    public void There_are_twenty_sets_at_most_of_a_course_too(string row, string reads) => Assert.StartsWith(reads, Read(row));

    // A slip is looked for word by word: two letters of four are another word.
    [Theory]
    [InlineData("star drill x 3", "is new")]
    [InlineData("stob drill x 3", "Did you mean")]
    [InlineData("stop dril x 3", "Did you mean")]
    [InlineData("lataral hop 3 x 5", "Did you mean")]
    [InlineData("litural hep 3 x 5", "is new")]
    public void A_name_of_several_words_is_near_where_each_of_its_words_is(string row, string says) => Assert.Contains(says, Read(row), StringComparison.Ordinal);

    [Theory]
    [InlineData("squat 3 + countermovement jump 5 x 3 sets", "3 rounds: squat 3 reps; countermovement jump 5 reps")]
    [InlineData("squat 3 + box jump 4 x 3 rounds", "3 rounds: squat 3 reps; box jump 4 reps")]
    [InlineData("high knees to sprint 10+20m x 3", "3 rounds: high knees 10 m; 20 m")]
    [InlineData("butt kicks into sprint 2 x 15 yd + 20 yd", "2 rounds: butt kicks 15 yd; 20 yd")]
    [InlineData("squat to sprint 10+20m x 3", "?")]
    [InlineData("backpedal to sprint 10+20m x 3", "3 x 10 backpedal + 20 m sprint")]
    public void One_piece_into_another_so_often_is_rounds(string row, string reads) => Assert.StartsWith(reads, Read(row));
}
