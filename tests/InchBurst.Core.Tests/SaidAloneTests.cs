using InchBurst.Core.Catalogue;
using InchBurst.Core.Shorthand;

namespace InchBurst.Core.Tests;

/// <summary>What is said alone, without a unit, a joint or a number, and can mean one thing only. What each means is common practice.</summary>
public sealed class SaidAloneTests
{
    private static string Read(string row) => PlanText.ReadOne(row, ShorthandContext.Metric) is var (block, problem) && block is not null
        ? PlanText.PrintOne(block, ExerciseCatalogue.BuiltIn)
        : "? " + problem!.Message;

    private static ShorthandProblem Problem(string row) => PlanText.ReadOne(row, ShorthandContext.Metric).Problem!;

    // Nobody rests for half an hour between runs, and nobody runs so soon again that 20 could not be either.
    [Theory]
    [InlineData("4 x 20 m rest 30", "4 x 20 m rest 0:30")]
    [InlineData("7x10m r60", "7 x 10 m rest 1:00")]
    [InlineData("4 x 20 m rest 600", "4 x 20 m rest 10:00")]
    [InlineData("4 x 20 m rest 29", "? 29 s? Write 0:29; or 29 min.")]
    [InlineData("4 x 20 m rest 601", "? 601 s? Write 10:01; or 601 min.")]
    public void Many_without_a_unit_are_seconds_of_rest(string row, string reads) => Assert.Equal(reads, Read(row));

    // What is done once and for minutes is done for so many minutes; few could be rounds, many could be seconds.
    [Theory]
    [InlineData("warm up 15", "raise 15 min")]
    [InlineData("cool down 5", "cool-down 5 min")]
    [InlineData("easy jog 20", "easy jog 20 min")]
    [InlineData("jog 4", "? 4 min? Write 4:00; 4 s; or 4 reps.")]
    [InlineData("jog 21", "? 21 min? Write 21:00; 21 s; or 21 reps.")]
    [InlineData("3 x jog 10", "?")]
    [InlineData("front plank 20", "? 20 s? Write 0:20; 20 min; or 20 reps.")]
    [InlineData("pigeon stretch 10", "?")]
    public void A_number_alone_is_minutes_of_what_is_done_for_minutes(string row, string reads) => Assert.StartsWith(reads, Read(row), StringComparison.Ordinal);

    // Where a run starts from, behind its length or a comma.
    [Theory]
    [InlineData("4 x 10m three-point, rest 90s", "4 x 10 m from 3-point rest 1:30")]
    [InlineData("4 x 10m (four-point)", "4 x 10 m from 4-point")]
    [InlineData("4 x 10m, two-point", "4 x 10 m from standing")]
    [InlineData("4 x 10m three-point start", "three-point start 4 x 10 m")]
    [InlineData("5 x 15m rolling 2 min", "5 x 15 m from moving rest 2:00")]
    [InlineData("5 x 15m walk-in", "5 x 15 m from moving")]
    [InlineData("4 x 10m from the floor", "4 x 10 m from prone")]
    [InlineData("4 x 10m, face down", "4 x 10 m from prone")]
    [InlineData("4 x 10m from one knee", "4 x 10 m from kneeling")]
    [InlineData("4 x 10m on your back", "supine start 4 x 10 m")]
    [InlineData("4 x 10m sitting", "seated start 4 x 10 m")]
    [InlineData("4 x 20m drop-in", "4 x 20 m from falling")]
    [InlineData("4 x 20m split stance", "4 x 20 m from standing")]
    [InlineData("4 x 20m crouched", "4 x 20 m from standing cue \"crouched\"")]
    [InlineData("6 x 20 up + 20 m back, 30s", "6 x 20 up + 20 m back rest 0:30")]
    public void How_a_run_starts_is_read_behind_its_length(string row, string reads) => Assert.Equal(reads, Read(row));

    // A length and its stretches, which must come to it; gates, which may, are none.
    [Theory]
    [InlineData("120m x 3: 40 fast, 40 float, 40 fast", "3 x 40 fast + 40 float + 40 m fast")]
    [InlineData("4 x 60m 20 fast/20 float/20 fast", "4 x 20 fast + 20 float + 20 m fast")]
    [InlineData("150m x 3 (50 fast, 50 easy, 50 hard) 6 min", "3 x 50 fast + 50 float + 50 m fast rest 6:00")]
    [InlineData("90 yd ins and outs x 3, 30-30-30", "3 x 30 fast + 30 float + 30 yd fast")]
    [InlineData("60m x 3 (20-20-20)", "3 x 20 fast + 20 float + 20 m fast")]
    [InlineData("in-out 3 x 60, 20/20/20", "3 x 20 fast + 20 float + 20 m fast")]
    [InlineData("20 in 20 out 20 in x 3", "3 x 20 fast + 20 float + 20 m fast")]
    [InlineData("3 x (30 in, 20 out)", "3 x 30 fast + 20 m float")]
    [InlineData("60m x 3, 10/20/30", "? 10% of what?")]
    [InlineData("60m x 3 gates 10/20/30", "3 x 60 m gates 10,20,30 m")]
    [InlineData("120m x 3: 40 fast, 40 float, 50 fast", "?")]
    [InlineData("120m x 3: 40 fast, 40, 40 fast", "?")]
    [InlineData("6 x 40 m (20 out 20 back)", "6 x 20 up + 20 m back")]
    public void Stretches_of_a_length_come_to_it(string row, string reads) => Assert.StartsWith(reads, Read(row), StringComparison.Ordinal);

    [Fact]
    public void Three_lengths_alike_with_dashes_ask_whether_they_are_one_run()
    {
        foreach (var (row, one, three) in new[] { ("20-20-20 x 4", "4 x 20 fast + 20 float + 20 m fast", "4 rounds: 20 m; 20 m; 20 m"), ("2 x 30-30-30", "2 x 30 fast + 30 float + 30 m fast", "2 rounds: 30 m; 30 m; 30 m") })
        {
            Assert.Equal("? Three runs, or one run fast, float and fast?", Read(row));
            Assert.Equal([one, three], Problem(row).Choices.Select(c => c.In(row)).Select(r => r == three ? r : Read(r)));
        }

        Assert.Equal("30 m; 30 m; 40 m", Read("30m, 30m, 40m"));
        Assert.Equal("20 m; 20 m; 20 m", Read("20m, 20m, 20m"));
    }

    // The first of two rests lies between the runs of a round, the other behind it.
    [Theory]
    [InlineData("3 rounds: 20 m, 30 m, 40 m, 3 min between reps, 6 min between sets", "3 rounds rest 6:00: 20 m rest 3:00; 30 m rest 3:00; 40 m")]
    [InlineData("3 rounds: 20 m rest 1:00; 30 m; 40 m rest 3:00/6:00", "3 rounds: 20 m rest 1:00; 30 m; 40 m rest 3:00/6:00")]
    [InlineData("3 rounds: 2 x 20 m; 40 m rest 3:00/6:00", "3 rounds: 2 x 20 m; 40 m rest 3:00/6:00")]
    [InlineData("Trunk 3 rounds: plank 30s, dead bug 10", "3 rounds: front plank 30 s; dead bug 10 reps each side")]
    [InlineData("strength: 3 rounds of squat 5, pull-up 5", "3 rounds: squat 5 reps; pull-up 5 reps")]
    [InlineData("abs 3x: plank 30s, dead bug 10", "3 rounds: front plank 30 s; dead bug 10 reps each side")]
    [InlineData("150, 120, 90 full rest", "150 m rest 1:00/10 m; 120 m rest 1:00/10 m; 90 m rest 1:00/10 m")]
    [InlineData("30m, 40m, 50m 4 min", "30 m rest 4:00; 40 m rest 4:00; 50 m rest 4:00")]
    public void Rounds_and_lists_keep_the_rests_they_are_said_with(string row, string reads) => Assert.Equal(reads, Read(row));

    // What is lifted is worked up to a maximum, the body is lifted as often as it can, a hold is held as long.
    [Theory]
    [InlineData("squat to max", "squat 1 reps cue \"work up to a maximum\"")]
    [InlineData("test squat 1RM", "squat 1 reps cue \"work up to a maximum\"")]
    [InlineData("1RM squat test", "squat 1 reps cue \"work up to a maximum\"")]
    [InlineData("hang clean max", "hang clean 1 reps cue \"work up to a maximum\"")]
    [InlineData("deadlift max", "deadlift 1 reps cue \"work up to a maximum\"")]
    [InlineData("squat max", "squat 1 reps cue \"work up to a maximum\"")]
    [InlineData("pull-ups to failure", "pull-up 1 passes cue \"as many as can be done well\"")]
    [InlineData("push ups AMRAP", "push-up 1 passes cue \"as many as can be done well\"")]
    [InlineData("pull ups 3xmax", "pull-up 3 passes cue \"as many as can be done well\"")]
    [InlineData("plank to failure", "front plank 2 x 30 s cue \"as long as it is held well\"")]
    [InlineData("broad jump test", "broad jump 3 reps")]
    [InlineData("test: countermovement jump", "countermovement jump 3 reps")]
    [InlineData("hop test", "single-leg hop for distance 2 x 5 reps each side")]
    [InlineData("Flying 30 test", "30 build + 30 fly + 20 m slow log time")]
    public void A_maximum_is_no_usual_dose(string row, string reads) => Assert.Equal(reads, Read(row));

    // More than all there is, is of the speed at the aerobic limit, where it is done for a time.
    [Theory]
    [InlineData("15/15 x 10 min @ 110%", "20 x 15 s 110% aerobic rest 0:15")]
    [InlineData("8 x 30s @ 105%, 30s", "8 x 30 s 105% aerobic rest 0:30")]
    [InlineData("8 x 30s @ 120%, 30s", "8 x 30 s 120% aerobic rest 0:30")]
    [InlineData("8 x 30s @ 121%, 30s", "? ")]
    [InlineData("8 x 30s @ 100%, 30s", "8 x 30 s @100% rest 0:30")]
    [InlineData("4 x 30 m @ 105%", "4 x 30 m @105%")]
    [InlineData("30/30 x 2 x 8, 3 min", "2 x 8 x 30 s rest 0:30/3:00")]
    [InlineData("15-15 x 10 x 3", "3 x 10 x 15 s rest 0:15")]
    [InlineData("15 s rest 10:00", "15 s rest 10:00")]
    [InlineData("15s/15s @ 120%", "? 15 s on and off: how often?")]
    [InlineData("20 min conversational", "20 min cue \"conversational\"")]
    [InlineData("4 x 60 m smooth", "4 x 60 m cue \"smooth\"")]
    [InlineData("3 x 8 min threshold, 2 min", "3 x 8 min rest 2:00 cue \"threshold\"")]
    [InlineData("run steady 20 min", "20 min steady")]
    [InlineData("bike 15 min", "steady bike 15 min")]
    [InlineData("spin 15 min", "steady bike 15 min")]
    [InlineData("bike 8 x 30s/30s", "bike intervals 8 x 30 s rest 0:30")]
    [InlineData("off feet conditioning: bike 8 x 30s/30s", "bike intervals 8 x 30 s rest 0:30")]
    public void Intervals_are_of_the_aerobic_speed_where_they_are_more_than_all(string row, string reads) => Assert.StartsWith(reads, Read(row), StringComparison.Ordinal);

    [Fact]
    public void How_often_on_and_off_is_answered_with_one_key() =>
        Assert.Equal(["8 x 20 s rest 0:10", "10 x 20 s rest 0:10", "12 x 20 s rest 0:10"], Problem("20s/10s").Choices.Select(c => Read(c.In("20s/10s"))));

    // A part of the body is nobody that work is for.
    [Theory]
    [InlineData("mobility for hips 10 min", "mobilise 10 min cue \"hips\"")]
    [InlineData("Foam rolling quads, hams and calves", "foam rolling 4 min cue \"quads, hams and calves\"")]
    [InlineData("Mobility (hips, t-spine) 10 min", "mobilise 10 min cue \"hips, t-spine\"")]
    [InlineData("stretch hams 2 x 30s", "hamstring stretch 2 x 30 s each side")]
    public void Parts_of_the_body_are_said_with_what_is_done_for_them(string row, string reads) => Assert.Equal(reads, Read(row));

    // One piece and straight into the next: as many rounds as are said behind them, asked where the first has a dose of its own.
    [Theory]
    [InlineData("MB chest throw + sprint 10m x 5", "5 rounds: chest throw 1 reps; 10 m")]
    [InlineData("10 pogos + 20m sprint x 4", "4 rounds: pogo hops 10 reps; 20 m")]
    [InlineData("squat x 3 + box jump x 3, 4 sets", "4 rounds: squat 3 reps; box jump 3 reps")]
    [InlineData("squat x 3, box jump x 3, 4 sets", "? 4 sets of all of it, or only of the last?")]
    [InlineData("A skip + sprint 20m x 4", "? 4 times all of it, or only the last?")]
    [InlineData("Pro agility 4x each side, 2 min", "five-ten-five 4 x 5 + turn 180 right + 10 + turn 180 left + 5 m each side rest 2:00")]
    [InlineData("RFESS 3x6e 2x20kg", "rear-foot-elevated split squat 3 x 6 reps each side 2 x 20 kg")]
    public void Pieces_with_a_plus_between_them_are_rounds(string row, string reads) => Assert.StartsWith(reads, Read(row), StringComparison.Ordinal);

    [Fact]
    public void A_drill_added_to_a_run_is_once_in_each_round() =>
        Assert.Equal(["4 rounds: A-skip 15 m; 20 m", "A-skip 15 m; 4 x 20 m"], Problem("A skip + sprint 20m x 4").Choices.Select(c => Read(c.In("A skip + sprint 20m x 4"))));

    [Fact]
    public void Sets_behind_several_pieces_are_of_all_or_of_the_last() =>
        Assert.Equal(["4 rounds: squat 3 reps; box jump 3 reps", "squat 3 reps; box jump 4 x 3 reps"], Problem("squat x 3, box jump x 3, 4 sets").Choices.Select(c => Read(c.In("squat x 3, box jump x 3, 4 sets"))));

    // A few times is the way it is usually done over; more than anybody does a way are contacts and steps.
    [Theory]
    [InlineData("bounds x 8", "alternate bound 8 x 20 m")]
    [InlineData("bounds x 9", "alternate bound 9 reps")]
    [InlineData("high knees x 10", "high knees 10 x 15 m")]
    [InlineData("high knees x 11", "high knees 11 reps")]
    [InlineData("tempo run x 12", "tempo run 12 x 100 m")]
    [InlineData("alternate bound 9 x 20 m", "alternate bound 9 x 20 m")]
    public void More_than_anybody_does_a_way_are_steps(string row, string reads) => Assert.Equal(reads, Read(row));

    // What is said beside the work joins what is said already; a cue is written once.
    [Theory]
    [InlineData("Box jump 5 x 2, 60cm, step down", "box jump 5 x 2 reps cue \"60 cm, step down\"")]
    [InlineData("box jump 5 x 2, 60cm cue \"soft feet\"", "box jump 5 x 2 reps cue \"60 cm, soft feet\"")]
    [InlineData("4 x 20 m cue \"push\" cue \"tall\"", "? ")]
    [InlineData("Sled 3 x 15m heavy, 3 x 20m light, 2 x 20m free", "3 x 15 m sled heavy; 3 x 20 m sled light; 2 x 20 m")]
    [InlineData("Sled 3 x 15m heavy, 3 x 20m light", "3 x 15 m sled heavy; 3 x 20 m sled light")]
    [InlineData("Split times at 5, 10, 20, 30m x 3", "3 x 30 m gates 5,10,20,30 m log time")]
    [InlineData("30m x 2 time both", "2 x 30 m log time")]
    [InlineData("40m dash x 2, electronically timed, 6 min", "2 x 40 m rest 6:00 log time")]
    [InlineData("Test: 10m and 30m x 3", "3 x 10 m log time; 3 x 30 m log time")]
    [InlineData("MAS 15:15 2 x 6 min @ 110%, 3 min", "2 x 12 x 15 s 110% aerobic rest 0:15/3:00")]
    [InlineData("5-10-5 both ways x 3, 2 min", "five-ten-five 3 x 5 + turn 180 right + 10 + turn 180 left + 5 m each side rest 2:00")]
    [InlineData("Shuttle run 10 x 5m x 2", "? 5 m there and back, or legs of 5 m?")]
    [InlineData("shuttle 10 x 7.5 m", "? 7.5 m there and back, or legs of 7.5 m?")]
    [InlineData("shuttle 10 x 8 m", "repeat shuttle 10 x 4 up + 4 m back")]
    public void What_is_said_beside_the_work_is_kept(string row, string reads) => Assert.StartsWith(reads, Read(row), StringComparison.Ordinal);

    // In a word of up to six letters two slips are another word; a slip in front of a name is one all the same.
    [Theory]
    [InlineData("blorps 3 x 10", "? “blorps” is new.")]
    [InlineData("lataral hop 3 x 5", "? “lataral hop” is not known. Did you mean lateral")]
    [InlineData("wobbly hop 3 x 5", "? “wobbly” is new.")]
    public void A_word_far_from_every_name_is_new(string row, string says) => Assert.StartsWith(says, Read(row), StringComparison.Ordinal);
}
