using InchBurst.Core.Catalogue;
using InchBurst.Core.Shorthand;

namespace InchBurst.Core.Tests;

/// <summary>Rows whose parts stand elsewhere than the language has them, and work done in turn. What each means is common practice.</summary>
public sealed class MovedTests
{
    private static string Read(string row) => PlanText.ReadOne(row, ShorthandContext.Metric) is var (block, problem) && block is not null
        ? PlanText.PrintOne(block, ExerciseCatalogue.BuiltIn)
        : "? " + problem!.Message;

    private static IReadOnlyList<string> Asked(string row) => [.. PlanText.ReadOne(row, ShorthandContext.Metric).Problem!.Choices.Select(c => Read(c.In(row)))];

    [Theory]
    [InlineData("20m sprints, 6 reps, 95%, 2 min", "6 x 20 m @95% rest 2:00")]
    [InlineData("20m sprints, 6 reps", "6 x 20 m")]
    [InlineData("20m accelerations. 6 reps. 2 min rest.", "6 x 20 m rest 2:00")]
    [InlineData("sprint 20m, rest 90s x 5", "5 x 20 m rest 1:30")]
    [InlineData("block starts x 6 to 20m", "block start 6 x 20 m")]
    [InlineData("lateral start 10m 2 each side", "lateral start 2 x 10 m each side")]
    [InlineData("lateral start 10m, 2 each side", "lateral start 2 x 10 m each side")]
    [InlineData("flying 20s 4x", "4 x 30 build + 20 fly + 20 m slow")]
    [InlineData("back squat 100 kg, 5 reps, 3 sets", "squat 3 x 5 reps 100 kg")]
    [InlineData("broad jumps, 3 reps, 4 sets, 2 min", "broad jump 4 x 3 reps rest 2:00")]
    [InlineData("300m time trial, 1 rep", "300 m log time")]
    [InlineData("wall sit 3 sets, 40 s", "wall sit 3 x 40 s")]
    [InlineData("pogos 3 sets, 20 s", "pogo hops 3 x 20 s")]
    public void How_often_goes_beside_what_is_done(string row, string reads) => Assert.Equal(reads, Read(row));

    [Theory]
    [InlineData("flying 10s 4x, 25yd build", "4 x 25 build + 10 yd fly")]
    [InlineData("fly 20m (30m acc) x 3, 6 min rest", "3 x 30 build + 20 m fly rest 6:00")]
    [InlineData("fly 20m [30m build] x 3", "3 x 30 build + 20 m fly")]
    public void A_run_in_goes_to_its_zone(string row, string reads) => Assert.Equal(reads, Read(row));

    [Theory]
    [InlineData("wingers: 4 x 60m 4 min", "4 x 60 m rest 4:00 for \"wingers\"")]
    [InlineData("U15s: 6 x 20m, 90 s", "6 x 20 m rest 1:30 for \"U15s\"")]
    [InlineData("5 x 20m [2']", "5 x 20 m rest 2:00")]
    [InlineData("5 x 20m. Rest 2 min. Stay tall.", "5 x 20 m rest 2:00 cue \"Stay tall\"")]
    [InlineData("(5 x 20m) rest 2 min", "5 x 20 m rest 2:00")]
    public void A_bare_time_behind_a_dose_is_the_rest(string row, string reads) => Assert.Equal(reads, Read(row));

    // 200 m in 30 s is 6.7 m/s, in 90 s 2.2 m/s.
    [Theory]
    [InlineData("200m x 6, 30 s, 3 min rest", "6 x 200 m in 30 s rest 3:00")]
    [InlineData("200m x 6, 90 s, 3 min rest", "?")]
    public void Where_the_rest_is_said_another_time_that_can_be_run_is_what_it_is_run_in(string row, string reads) => Assert.StartsWith(reads, Read(row));

    [Theory]
    [InlineData("Drills 2x20m: A skip, B skip, high knees", "A-skip 2 x 20 m; B-skip 2 x 20 m; high knees 2 x 20 m")]
    [InlineData("2 x 10 m of A march, A skip", "A-march 2 x 10 m; A-skip 2 x 10 m")]
    public void A_dose_in_front_of_names_is_for_each(string row, string reads) => Assert.Equal(reads, Read(row));

    [Fact]
    public void More_than_can_be_a_share_of_a_lift_is_a_load_of_which_the_unit_is_asked() =>
        Assert.Equal(["hip thrust 3 x 5 reps 150 kg", "hip thrust 3 x 5 reps 150 lb"], Asked("hip thrust 3 x 5 @ 150"));

    [Theory]
    [InlineData("20m sprints, 6 reps, 5 reps")]
    [InlineData("4 x 30 m, 6 reps")]
    [InlineData("zorbles, 5 min")]
    [InlineData("20m sprints, x 6, x 6")]
    [InlineData("hurdle hops 3x6,then 90s")]
    [InlineData("T test 3x, x103 min")]
    [InlineData("hill sprints x 8, 10 sec")]
    public void What_is_said_twice_or_may_be_work_stays_where_it_is(string row) => Assert.StartsWith("?", Read(row));

    [Theory]
    [InlineData("superset: squat 4x3 / box jump 4x3", "4 rounds: squat 3 reps; box jump 3 reps")]
    [InlineData("A1 squat 4x5 A2 hurdle hop 4x4", "4 rounds: squat 5 reps; hurdle rebound 4 reps")]
    [InlineData("A1. trap bar deadlift 4x3 @ 85%; A2. broad jump 4x3", "4 rounds: trap-bar deadlift 3 reps 85% max; broad jump 3 reps")]
    [InlineData("3 x 4 hurdle hops into 10m sprint", "3 rounds: hurdle rebound 4 reps; 10 m")]
    [InlineData("bench press 3x8 ss row 3x8", "3 rounds: bench press 8 reps; bent-over row 8 reps")]
    [InlineData("squat 4x5 superset with box jump 4x3", "4 rounds: squat 5 reps; box jump 3 reps")]
    [InlineData("3 rounds of 20 m sprint, 5 tuck jumps", "3 rounds: 20 m sprint; tuck jump 5 reps")]
    [InlineData("4 rounds of 3 broad jumps, 10m sprint, rest 2 min", "4 rounds rest 2:00: broad jump 3 reps; 10 m")]
    [InlineData("complex: clean x 2 + 10 m sprint, x4, 3 min", "4 rounds rest 3:00: power clean 2 reps; 10 m sprint")]
    [InlineData("complex: trap bar deadlift 3 reps 80%, broad jump 3, x 4 rounds, 4 min", "4 rounds rest 4:00: trap-bar deadlift 3 reps 80% max; broad jump 3 reps")]
    [InlineData("core 3 x (plank 30s, side plank 20s each, dead bug 10)", "3 rounds: front plank 30 s; side plank 20 s each side; dead bug 10 reps each side")]
    [InlineData("jump circuit: 5 squat jumps, 5 tuck jumps, 5 broad jumps x 3", "3 rounds: squat jump 5 reps; tuck jump 5 reps; broad jump 5 reps")]
    [InlineData("2 rounds (3 x 20m, 2 x 40m)", "2 rounds: 3 x 20 m; 2 x 40 m")]
    [InlineData("(20m, 30m, 40m) x 3", "3 rounds: 20 m; 30 m; 40 m")]
    [InlineData("circuit 3 rounds: push ups 10, squats 10, plank 30s", "3 rounds: push-up 10 reps; squat 10 reps; front plank 30 s")]
    public void Work_in_turn_with_as_many_sets_is_rounds(string row, string reads) => Assert.Equal(reads, Read(row));

    [Theory]
    [InlineData("PAP: trap bar 3 x 3, 4 min, 2 x 20m", "trap-bar deadlift 3 x 3 reps rest 4:00; 2 x 20 m")]
    [InlineData("superset: squat 4x3 / box jump 3x3", "squat 4 x 3 reps; box jump 3 x 3 reps")]
    [InlineData("2 sets of 3 flying 20s, 4 min / 8 min", "2 x 3 x 30 build + 20 fly + 20 m slow rest 4:00/8:00")]
    public void Work_in_turn_with_other_numbers_of_sets_is_lines_after_one_another(string row, string reads) => Assert.Equal(reads, Read(row));

    [Theory]
    [InlineData("clean 3x3 @ 70, 75, 80%", "power clean 3 reps 70% max; power clean 3 reps 75% max; power clean 3 reps 80% max")]
    [InlineData("clean 3x3 70,75,80%", "power clean 3 reps 70% max; power clean 3 reps 75% max; power clean 3 reps 80% max")]
    [InlineData("back squat 3,3,2 @ 80-85-90%", "squat 3 reps 80% max; squat 3 reps 85% max; squat 2 reps 90% max")]
    [InlineData("squat 2 x 5 @ 70-85%", "squat 2 x 5 reps 70-85% max")]
    public void So_many_shares_as_sets_are_one_for_each(string row, string reads) => Assert.Equal(reads, Read(row));

    // The lift is the same whatever it is done with or how, and that is said; a name the coach gave stays one.
    [Theory]
    [InlineData("DB bench 3x8 2 x 30kg", "bench press 3 x 8 reps 2 x 30 kg cue \"db\"")]
    [InlineData("clap push ups 3x6", "push-up 3 x 6 reps cue \"clap\"")]
    [InlineData("isometric squat hold 3 x 20s", "squat 3 x 20 s cue \"isometric\"")]
    [InlineData("weighted dips 3x6 20kg", "dip 3 x 6 reps 20 kg cue \"weighted\"")]
    [InlineData("seated calf raise 4x15 40kg", "bent-knee calf raise 4 x 15 reps 40 kg")]
    public void What_a_lift_is_done_with_is_said(string row, string reads) => Assert.Equal(reads, Read(row));

    [Fact]
    public void A_coachs_own_name_with_such_a_word_in_it_stays_one()
    {
        var own = ExerciseCatalogue.BuiltIn.Find("dip")! with { Name = "weighted dip", Also = [] };
        var context = ShorthandContext.Metric with { Catalogue = new([.. ExerciseCatalogue.BuiltIn.All, own]) };

        Assert.Equal("weighted dip", PlanText.ReadOne("weighted dips 3x6 20kg", context).Block!.Lines[0].Exercise);
    }

    // What is said to the athlete takes no count and no rest with it.
    [Theory]
    [InlineData("sprint 20m, stop at 5 m x 4")]
    [InlineData("5 x 20m finish at 95% rest 3 min")]
    [InlineData("4 x 20 m stop after 3 s")]
    public void When_to_stop_hides_neither_count_nor_rest(string row) => Assert.DoesNotMatch("cue \"[^\"]*(x 4|rest|3 s)", Read(row));

    [Fact]
    public void Digits_of_another_script_are_digits_in_a_ladder_too() => Assert.Equal("10 m; 20 m; 30 m; 40 m", Read("ladder ١٠-٢٠-٣٠-٤٠ m"));

    [Fact]
    public void A_quoted_remark_is_kept_without_the_spaces_around_it() => Assert.Equal("5 x 30 m cue \"stay low\"", Read("5 x 30 m \" stay low \""));

    // 1200 m are more legs than a rep has parts.
    [Fact]
    public void A_long_shuttle_without_its_legs_is_asked_about() => Assert.StartsWith("? 1200 m in legs of what length?", Read("1200m shuttle x 2"));

    [Fact]
    public void Shares_of_a_lift_are_never_how_hard_a_run_is() => Assert.StartsWith("? A share of the maximum for each set?", Read("power clean 4x3 @70,75,80%"));

    [Theory]
    [InlineData("10m+20m+30m, 2 sets", "2 rounds: 10 m; 20 m; 30 m", "2 x 10 + 20 + 30 m")]
    [InlineData("5m + 10m", "5 m; 10 m", "5 + 10 m")]
    [InlineData("reverse lunges 3x10 alternating", "reverse lunge 3 x 5 reps each side", "reverse lunge 3 x 10 reps each side")]
    [InlineData("side plank x 2 each side, 25s", "side plank 2 x 25 s each side", "side plank 2 x 20 s each side rest 0:25")]
    [InlineData("5 x 20m, 2", "5 x 20 m rest 2:00", "2 x 5 x 20 m")]
    public void What_may_be_two_things_is_asked_with_both(string row, string first, string second) => Assert.Equal([first, second], Asked(row).Take(2));

    [Fact]
    public void An_odd_number_of_alternating_reps_is_offered_for_each_side_only() => Assert.Equal(["alternate bound 3 x 5 reps each side"], Asked("bounds 3 x 5 alternating"));

    [Theory]
    [InlineData("5 x 30 m \"push the ground away\"", "5 x 30 m cue \"push the ground away\"")]
    [InlineData("\"ghost walk\" 5 x 30 m", "\"ghost walk\" 5 x 30 m")]
    [InlineData("4 x 5 \"tuck jump\"", "tuck jump 4 x 5 reps")]
    public void What_is_quoted_behind_the_work_is_said_and_in_front_is_its_name(string row, string reads) => Assert.Equal(reads, Read(row));

    [Theory]
    [InlineData("flying 10s x 4 with 25 yd build", "4 x 25 build + 10 yd fly")]
    [InlineData("fly 10 yd x 4, 20 m build", "4 x 20 m build + 10 yd fly")]
    public void A_unit_that_was_typed_is_in_the_reading(string row, string reads) => Assert.Equal(reads, Read(row));

    [Fact]
    public void A_box_is_so_high_and_nobody_goes_metres_in_a_jump_onto_it() => Assert.StartsWith("? Nobody goes metres in box jump.", Read("box jumps 3 ft x 3"));
}
