using InchBurst.Core.Catalogue;
using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Make;
using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;

namespace InchBurst.Core.Tests;

/// <summary>What is said of a line while it is typed.</summary>
public class LineReadingTests
{
    private static readonly SquadMember[] Squad = [new("Amara Diallo", ["low minutes"]), new("Ben Sato", [])];

    private static LineReading Read(string text) => LineReading.Of(text, ShorthandContext.Metric, new(2, 1, DemandAthlete.UsualCurve, ExerciseCatalogue.BuiltIn), Squad);

    private static string Words(string text) => string.Join("; ", Read(text) is var r ? [r.Name, .. r.Words, .. r.Minds] : []);

    [Theory]
    [InlineData("4 x 20 m", "Acceleration; 4 reps; 20 m; rest 2:00 by rule")]
    [InlineData("20 m", "Acceleration; once; 20 m")]
    [InlineData("2-3 x 4 x 10-20 m @90-95% rest 2:00-3:00", "Acceleration; 2 to 3 sets; 4 reps; 20 m; from 10 m, judged at the harder end; between 90 and 95%, judged at 95%; rest 2:00-3:00")]
    [InlineData("3 x 20 build + 10 fly + 20 m slow @100% rest 4:00", "Max velocity; 3 reps; build 20 m; fly 10 m; slow 20 m; 100%; rest 4:00")]
    [InlineData("squat 3-4 x 5 80% max", "squat; 3 to 4 sets; 5 per set; 80% max; rest 2:00 by rule")]
    [InlineData("2 x 10 m each side from half-kneeling through 5 m", "Acceleration; 2 reps; 10 m; each side; from half-kneeling; run 5 m past the line; rest 1:00 by rule")]
    [InlineData("\"front plank\" 2 x 30 s", "front plank; 2 reps; 0:30; rest 0:30 by rule")]
    [InlineData("mini-hurdle run 6 passes", "mini-hurdle run; once; 6 passes")]
    [InlineData("5 m + turn 180 left + 5 m", "Turn and slow down; once; 5 m; turn 180° left; 5 m")]
    [InlineData("3 x 30 m @70,80,90% in waves rest walk-back", "Acceleration; 3 reps; 30 m; 70, 80, 90%; rest walk-back; in waves")]
    [InlineData("2 x 40 m @0-100%", "Acceleration; 2 reps; 40 m; rising to 100%; rest 4:00 by rule")]
    [InlineData("4 x 20 m sled 12 kg gates 5,20 m for Amara, Zoe cue \"push\"", "Resisted; 4 reps; 20 m; sled 12 kg; gates at 5,20 m; rest 3:00 by rule; for Amara, Zoe; cue “push”; nobody here answers to “Zoe”")]
    [InlineData("\"quay stride\" 2 x 30 m as drill", "quay stride (a name of your own); 2 reps; 30 m; not in the catalogue, so taken as running at 100%; rest 3:00 by rule")]
    [InlineData("5 m + cut 45 + 5 m jog", "Turn and slow down; once; 5 m; cut 45°; 5 m jog")]
    [InlineData("10 x 100 m in 18 s rest 1 to 1", "Conditioning; 10 reps; 100 m; each in 18 s, about 76%; rest 1 to 1")]
    [InlineData("12 x 15 s 110% aerobic rest 0:15", "Conditioning; 12 reps; 0:15; 110% aerobic speed; rest 0:15")]
    [InlineData("\"quay stride\" 2 x 30 m @80%", "quay stride (a name of your own); 2 reps; 30 m; 80%; rest 2:00 by rule")]
    [InlineData("3 rounds: squat 3 reps; broad jump 3 reps", "3 rounds of 2 lines; squat 3 reps; broad jump 3 reps")]
    [InlineData("3 rounds rest 2:00: squat 3 reps 85% max; 2 x 20 m", "3 rounds of 2 lines; squat 3 reps 85% max; 2 × 20 m; rest 2:00 after a round")]
    [InlineData("10, 20 m", "2 lines; 10 m; 20 m")]
    [InlineData("loaded jump 4 x 4 25-30%bm rest 2:00", "loaded jump; 4 sets; 4 per set; 25-30% of body mass; rest 2:00")]
    [InlineData("4 x 20 m sled 20%bm rest 3:00", "Resisted; 4 reps; 20 m; sled 20% of body mass; rest 3:00")]
    [InlineData("4 x 20 m sled -10%v rest 3:00", "Resisted; 4 reps; 20 m; sled 10% slower; rest 3:00")]
    [InlineData("4 x 30 m tow +5%v rest 5:00", "Assisted; 4 reps; 30 m; tow 5% faster; rest 5:00")]
    [InlineData("4 x 30 m rest walk-back + 1:00", "Acceleration; 4 reps; 30 m; rest walk-back + 1:00")]
    public void A_line_is_said_back_in_words(string typed, string words) => Assert.Equal(words, Words(typed));

    [Theory]
    [InlineData("4 x 20 m", "4 × 20 m")]
    [InlineData("2 x 4 x 20 m @95% sled 12 kg", "2 × 4 × 20 m, 95%, sled 12 kg")]
    [InlineData("10 x 100 m in 18 s", "10 × 100 m, in 18 s")]
    [InlineData("squat 3 x 5 75% max", "3 × 5 reps, 75% max")]
    public void Where_there_is_little_room_it_is_the_dose_with_what_sets_it_apart(string typed, string dose) => Assert.Equal(dose, LineWords.DoseText(ShorthandLine.Read(typed).Line!));

    [Fact]
    public void What_it_adds_is_metres_and_time_for_the_group()
    {
        Assert.Equal("adds 6:00", Read("raise 6 min").Adds);
        var alone = SessionClock.Lay(SessionPlan.Empty.Add(ShorthandLine.Read("4 x 20 m rest 2:00").Line!), new(2, 1, DemandAthlete.UsualCurve, ExerciseCatalogue.BuiltIn));
        Assert.Equal($"adds 80 m, {Units.Figures.Clock(alone.TotalSeconds)}", Read("4 x 20 m rest 2:00").Adds);
        Assert.StartsWith("adds 240 m, ", Read("3 rounds: 4 x 20 m rest 2:00").Adds, StringComparison.Ordinal);
    }

    [Fact]
    public void While_a_name_is_typed_only_what_fits_is_offered_and_a_question_waits_for_its_place()
    {
        Assert.Equal((null, 0), (Read("").Problem, Read("").Offers.Count));
        Assert.Null(Read("ank").Problem);
        Assert.NotEmpty(Read("ank").Offers);
        Assert.Null(Read("ank").Kind);
        var asked = Read("4 x 20 m rest 3");
        Assert.Empty(asked.Offers);
        Assert.InRange(asked.Problem!.Choices.Count, 2, 9);
        Assert.All(asked.Problem.Choices, c => Assert.Null(Read(c.Whole).Problem));
        Assert.Equal("blorp", "4 x 20 m blorp".Substring(Read("4 x 20 m blorp").Problem!.Start, Read("4 x 20 m blorp").Problem!.Length));
        Assert.Empty(LineReading.Of("4 x 20 m for Zoe", ShorthandContext.Metric, new(2, 1, DemandAthlete.UsualCurve, ExerciseCatalogue.BuiltIn), []).Minds);
    }

    [Fact]
    public void The_drawing_is_one_rep_to_scale_with_its_gates_and_the_reps_that_are_open()
    {
        var fly = Read("2-4 x 3 x 20 build + 10 fly + 20 m slow gates 20,30 m").Sketch!;
        Assert.Equal([new(0, 0.4, "build", "20 m"), new(0.4, 0.6, "fly", "10 m"), new(0.6, 1, "slow", "20 m")], fly.Pieces.Select(p => p with { From = Math.Round(p.From, 9), To = Math.Round(p.To, 9) }));
        Assert.Equal([0.4, 0.6], fly.Gates.Select(g => Math.Round(g, 9)));
        Assert.Equal((4, 3, 6), (fly.Sets, fly.Reps, fly.Least));
        var turn = Read("5 m + turn 90 left + 15 m gates 5,20 m").Sketch!;
        Assert.Equal([(0, 0.25, "5 m"), (0.25, 0.25, "90°"), (0.25, 1, "15 m")], turn.Pieces.Select(p => (p.From, p.To, p.Label)));
        Assert.Equal([0.25, 1], turn.Gates);
        Assert.Empty(Read("raise 6 min").Sketch!.Pieces);
        Assert.Equal((1, 6, 6), (Read("30 s x 6 @70%").Sketch!.Sets, Read("30 s x 6 @70%").Sketch!.Reps, Read("30 s x 6 @70%").Sketch!.Least));
        Assert.Null(Read("10, 20 m").Sketch);
    }
}
