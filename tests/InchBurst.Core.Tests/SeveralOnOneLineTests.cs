using InchBurst.Core.Catalogue;
using InchBurst.Core.Shorthand;

namespace InchBurst.Core.Tests;

/// <summary>More than one piece of work on one row: rounds, complexes, people beside each other, and words that go with them.</summary>
public sealed class SeveralOnOneLineTests
{
    private static string? Read(string line) => PlanText.ReadOne(line, ShorthandContext.Metric).Block is { } block ? PlanText.PrintOne(block, ExerciseCatalogue.BuiltIn) : null;

    [Theory]
    [InlineData("2 sets: 3x20m, 2x30m", "2 rounds: 3 x 20 m; 2 x 30 m")]
    [InlineData("3 rounds of 20m, 30m, 40m", "3 rounds: 20 m; 30 m; 40 m")]
    [InlineData("contrast: 1 x 15 m sled 50% bw, 1 x 20 m free, 3 rounds", "3 rounds: 15 m sled 50%bm; 20 m")]
    [InlineData("squat 3 + broad jump 3, 4 rounds rest 3:00", "4 rounds rest 3:00: squat 3 reps; broad jump 3 reps")]
    [InlineData("sled 15m + sprint 20m x 4", "4 rounds: 15 m sled; 20 m")]
    [InlineData("power clean + front squat 3 x (2+1) 60kg", "3 rounds: power clean 2 reps 60 kg; front squat 1 reps 60 kg")]
    [InlineData("squat 1x5 60%, 1x3 75%, 3x2 85%, rest 3 min", "squat 5 reps 60% max rest 3:00; squat 3 reps 75% max rest 3:00; squat 3 x 2 reps 85% max rest 3:00")]
    [InlineData("150-120-90 @ 90%, 8 min", "150 m @90% rest 8:00; 120 m @90% rest 8:00; 90 m @90% rest 8:00")]
    [InlineData("10-20-30-20-10", "10 m; 20 m; 30 m; 20 m; 10 m")]
    [InlineData("juniors: 4 x 20m; seniors: 6 x 20m", "4 x 20 m for \"juniors\"; 6 x 20 m for \"seniors\"")]
    [InlineData("backs 4 x 30m, U16s 5 x 30m", "4 x 30 m for \"backs\"; 5 x 30 m for \"U16s\"")]
    [InlineData("4 x 20m (A group), 6 x 20m (B group)", "4 x 20 m for \"A group\"; 6 x 20 m for \"B group\"")]
    [InlineData("200 m @ 90%, rest 3:00; 150 m @ 90%", "200 m @90% rest 3:00; 150 m @90%")]
    [InlineData("200 m, full recovery; 150 m, full recovery", "200 m rest 1:00/10 m; 150 m rest 1:00/10 m")]
    [InlineData("calf raises 3 x 20, 10 each leg", "calf raise 3 x 10 reps each side")]
    [InlineData("reaction sprints 5x10m, ball drop", "reaction start 5 x 10 m")]
    [InlineData("dribbles ankle/calf/knee 2x20m", "ankle dribble 2 x 20 m; calf dribble 2 x 20 m; knee dribble 2 x 20 m")]
    [InlineData("3 x 20m sled + 2 x 20m free", "3 x 20 m sled; 2 x 20 m")]
    [InlineData("kneeling jump to broad jump 3x3", "3 rounds: kneeling jump 3 reps cue \"each into broad jump\"; broad jump 3 reps")]
    [InlineData("split jump + broad jump 2 x 4", "2 rounds: split jump 4 reps each side cue \"each into broad jump\"; broad jump 4 reps")]
    [InlineData("2 x broad jump + 20m sprint x 4", "4 rounds: broad jump 2 reps; 20 m")]
    [InlineData("squat 3x3 85 kg, then 3 x 20m sprint", "squat 3 x 3 reps 85 kg; 3 x 20 m")]
    [InlineData("core: plank 3x30s, dead bug 2x10", "front plank 3 x 30 s; dead bug 2 x 10 reps each side")]
    [InlineData("hurdle hop x 5 into 20m sprint, 4 sets", "4 rounds: hurdle rebound 5 reps; 20 m")]
    [InlineData("4x(20m sled, 20m sprint), 3 min", "4 rounds rest 3:00: 20 m sled; 20 m")]
    [InlineData("3 x (squat 3 @ 85% + 20m sprint) rest 4 min", "3 rounds rest 4:00: squat 3 reps 85% max; 20 m")]
    [InlineData("2 x (5 pogos, 10m sprint, 10m jog)", "2 rounds: pogo hops 5 reps; 10 m; 10 m jog")]
    [InlineData("4 x (20m build + 20m fly) 5 min rest", "4 x 20 build + 20 m fly rest 5:00")]
    [InlineData("4 x (20m sprint, 20m float, 20m sprint)", "4 x 20 fast + 20 float + 20 m fast")]
    [InlineData("CMJ 3 attempts + broad jump 3 attempts", "countermovement jump 3 reps; broad jump 3 reps")]
    [InlineData("squats 5-5-3-3 @ 70-85%", "squat 2 x 5 reps 70-85% max; squat 2 x 3 reps 70-85% max")]
    [InlineData("split 300s x 2 (150+150)", "2 rounds: 150 m; 150 m")]
    [InlineData("split run 200+100 x 2, 60s", "2 rounds: 200 m rest 1:00; 100 m rest 1:00")]
    [InlineData("leg swings front and side x 10", "leg swing forwards 10 reps each side; leg swing sideways 10 reps each side")]
    [InlineData("wall drill: singles, doubles x 5", "wall switch one 5 reps; wall switch two 5 reps")]
    [InlineData("deadlift 5/3/1+", "deadlift 5 reps cue \"as many as you can in the last set\"; deadlift 3 reps cue \"as many as you can in the last set\"; deadlift 1 reps cue \"as many as you can in the last set\"")]
    [InlineData("cooldown: walk 400m + stretch", "walk and breathe 400 m; cool-down 5 min")]
    public void Stands_in_order_with_what_belongs_to_each(string typed, string reads) => Assert.Equal(reads, Read(typed));

    // Parts that do not come to the whole, jumps that are the same, reps that do not fall: nothing is guessed.
    [Theory]
    [InlineData("split 300s x 2 (150+120)")]
    [InlineData("broad jump to broad jump 3x3")]
    [InlineData("skip to bound 3 x 20m")]
    [InlineData("A-skip to alternate bound 3 x 20m")]
    [InlineData("A-march to short sprint 3 x 20m")]
    [InlineData("70m easy-fast-easy x 3")]
    [InlineData("2 x 200 @ 90s")]
    [InlineData("100m shuttle (30m) x 3")]
    [InlineData("3 x (squat 3 x 5, 20m sprint) 4 min")]
    [InlineData("3 x (squat 3, glorp) 4 min")]
    [InlineData("deadlift 1/3/5+")]
    [InlineData("1-2-3 broad jumps")]
    public void What_does_not_add_up_is_refused(string typed) => Assert.Null(Read(typed));

    // What is said to the athlete by a habit goes along where the row is parted, and a second remark joins the first.
    [Theory]
    [InlineData("high knees into sprint 2x20m, 8x100m grass", "high knees 2 x 20 m cue \"into a sprint\"; 8 x 100 m cue \"on grass\"")]
    [InlineData("box jumps 3x5 24 inch, controlled", "box jump 3 x 5 reps cue \"24 in, controlled\"")]
    [InlineData("squat 3x5 RPE 8 explosively", "squat 3 x 5 reps cue \"RPE 8, explosive\"")]
    [InlineData("deceleration 4x10m stop in TWO steps", "stick the stop 4 x 10 m cue \"stop in two steps\"")]
    public void Remarks_stay_with_their_work(string typed, string reads) => Assert.Equal(reads, Read(typed));

    // Of a lift by another bar, depth or hold the most is another, so it is another exercise.
    [Theory]
    [InlineData("front squat 4 x 4 @ 80%", "front squat")]
    [InlineData("trap bar deadlift 3x3 @ 80%", "trap-bar deadlift")]
    [InlineData("bench press 3x5 @ 80%", "bench press")]
    [InlineData("push press 3x5 @ 80%", "push press")]
    [InlineData("overhead press 3x5 @ 80%", "press")]
    [InlineData("bulgarian split squat 3x5 @ 80%", "rear-foot-elevated split squat")]
    [InlineData("hang snatch 3x2 @ 80%", "hang snatch")]
    public void Every_lift_has_its_own_maximum(string typed, string exercise) =>
        Assert.Equal(exercise, Assert.Single(PlanText.ReadOne(typed, ShorthandContext.Metric).Block!.Lines).Exercise);

    // A count that nobody read is no remark.
    [Fact]
    public void How_many_is_never_said_instead_of_read() => Assert.Equal("4 x 40 m", Read("40m sprints, four of them"));

    // Characters that the reader uses for itself are no way into it.
    [Theory]
    [InlineData("4 x 20 m \uE200")]
    [InlineData("4 x 20 m \uE2FF\uE105")]
    public void Its_own_signs_cannot_be_typed(string typed) => Assert.Null(Read(typed));
}
