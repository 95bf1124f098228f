using CsCheck;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Core.Rest;
using InchBurst.Core.School;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Sprint;

namespace InchBurst.Core.Tests;

public class PlanTests
{
    private static readonly SprintCurve Pace = new(8.5, 1.2);

    private static PlanLine Line(string text) => ShorthandLine.Read(text).Line ?? throw new ArgumentException(ShorthandLine.Read(text).Problem!.Message);

    private static LineDemand Asked(string text) => LineDemand.Of(Line(text), ExerciseCatalogue.BuiltIn, new(Pace));

    private static SessionPlan Plan(params string[] lines) => lines.Aggregate(SessionPlan.Empty, (p, l) => p.Add(Line(l), ExerciseCatalogue.BuiltIn.Find(Line(l).Exercise)?.Family));

    private static SessionTimeline Lay(SessionPlan plan, int athletes = 1, int lanes = 1) => SessionClock.Lay(plan, new(athletes, lanes, Pace, ExerciseCatalogue.BuiltIn));

    [Fact]
    public void One_athlete_alone_takes_reps_times_run_and_rest_less_the_last_rest() =>
        Gen.Select(Gen.Int[1, 12], Gen.Double[2, 40], Gen.Double[0, 300]).Sample((reps, run, rest) =>
            Assert.Equal((reps * (run + rest)) - rest, GroupFlow.Simulate(new(1, 1, 1, reps, run, rest, rest, 0)).FinishSeconds, 1e-6));

    [Fact]
    public void On_one_lane_the_queue_is_the_rest_once_it_is_long_enough() =>
        Gen.Select(Gen.Int[2, 20], Gen.Int[1, 8], Gen.Double[3, 30], Gen.Double[0, 1]).Sample((n, reps, clear, part) =>
        {
            var rest = part * clear * (n - 1);
            var flow = GroupFlow.Simulate(new(n, 1, 1, reps, clear, rest, rest, 0));
            Assert.Equal(reps * n * clear, flow.FinishSeconds, 1e-6);
            Assert.All(flow.Goes.Where(g => g.RestBeforeSeconds is not null), g => Assert.Equal((n - 1) * clear, g.RestBeforeSeconds!.Value, 1e-6));
        });

    [Fact]
    public void No_rest_is_ever_cut_and_no_lane_holds_two() =>
        Gen.Select(Gen.Int[1, 14], Gen.Int[1, 4], Gen.Int[1, 3], Gen.Int[1, 5], Gen.Double[2, 20], Gen.Double[0, 200], Gen.Double[0, 15]).Sample((n, lanes, sets, reps, clear, rest, interval) =>
        {
            var flow = GroupFlow.Simulate(new(n, lanes, sets, reps, clear, rest, rest * 2, interval));
            Assert.Equal(n * sets * reps, flow.Goes.Count);
            Assert.All(flow.Goes, g => Assert.True(g.RestBeforeSeconds is null || g.RestBeforeSeconds >= rest - 1e-9));
            foreach (var lane in flow.Goes.GroupBy(g => g.Lane))
            {
                Assert.All(lane.Zip(lane.Skip(1)), p => Assert.True(p.Second.StartSeconds >= p.First.ClearSeconds - 1e-9));
            }

            Assert.All(flow.Goes.Zip(flow.Goes.Skip(1)), p => Assert.True(p.Second.StartSeconds >= p.First.StartSeconds + interval - 1e-9));
        });

    [Fact]
    public void Rest_follows_what_is_written_and_otherwise_the_rule_of_a_minute_for_ten_metres()
    {
        Assert.Equal(120, RestRules.Between(Asked("4 x 20 m rest 2:00"), CoachingSchool.Usual).Seconds);
        Assert.Equal(180, RestRules.Between(Asked("4 x 20 m rest 90s/10m"), CoachingSchool.Usual).Seconds);
        Assert.Equal(20 / 1.4, RestRules.Between(Asked("4 x 20 m rest walk-back"), CoachingSchool.Usual).Seconds, 6);
        // Common practice: one minute for each 10 m of free sprint.
        Assert.Equal(180, RestRules.Between(Asked("4 x 20 build + 10 fly + 20 slow"), CoachingSchool.Usual).Seconds);
        Assert.Equal(0, RestRules.Between(Asked("raise 4 min"), CoachingSchool.Usual).Seconds);
    }

    [Fact]
    public void The_timeline_runs_without_holes_and_counts_the_queue()
    {
        var plan = Plan("raise 4 min easy", "activate 3 min", "A-skip 2 x 15 m", "3 x 20 build + 10 fly + 20 slow rest 4:00", "cool-down 5 min");
        var alone = Lay(plan);
        Assert.Equal(240, alone.Items[0].Seconds);
        Assert.All(alone.Items.Zip(alone.Items.Skip(1)), p => Assert.Equal(p.First.EndSeconds, p.Second.StartSeconds));
        Assert.Equal(alone.TotalSeconds, alone.Items[^1].EndSeconds);
        var run = LineDemand.Of(plan.Blocks[2].Lines[0], ExerciseCatalogue.BuiltIn, new(Pace)).PaceOf(0).ClearSeconds;
        Assert.Equal((3 * (run + 3 + 240)) - 240, alone.Items[3].Seconds, 6);

        var group = Lay(plan, 14, 2);
        Assert.True(group.Items[3].Seconds > alone.Items[3].Seconds);
        Assert.True(group.Items[3].ShortestRestSeconds >= 240 - 1e-6);
        // Seven pairs, three reps each: a bar a pair sent off.
        Assert.Equal(21, group.Items[3].Bars.Count);
    }

    [Fact]
    public void Rounds_repeat_their_lines_with_their_own_rest()
    {
        var plan = SessionPlan.Empty.Add(new PlanBlock(0, "Complex", [Line("2 min"), Line("pogos 10")], 3, 90));
        var timeline = Lay(plan);
        Assert.Equal(6, timeline.Items.Count);
        Assert.Equal((3 * (120 + 5)) + (2 * 90), timeline.TotalSeconds, 6);
        // Two stations with the group halved: as long as two turns at the slower one.
        var stations = SessionPlan.Empty.Add(new PlanBlock(0, "Stations", [Line("2 min"), Line("pogos 10")], Stations: true));
        Assert.Equal(240, Lay(stations, 8).TotalSeconds, 6);
        Assert.Equal(30, Volume.Of(plan, Pace, ExerciseCatalogue.BuiltIn).ShortContacts);
    }

    [Fact]
    public void Volume_counts_what_is_run_hard()
    {
        var fly = Volume.Of(Line("3 x 20 build + 10 fly + 20 slow"), 1, Pace, ExerciseCatalogue.BuiltIn);
        Assert.Equal(150, fly.Metres);
        Assert.Equal(90, fly.SprintMetres);
        // A 30 m rep at 8.5 m/s and 1.2 s holds 15.69 m above 90% (SciPy).
        Assert.Equal(3 * 15.69, fly.TopSpeedMetres, 1);
        Assert.Equal(0, Volume.Of(Line("3 x 30 m @60%"), 1, Pace, ExerciseCatalogue.BuiltIn).SprintMetres);
        Assert.Equal(60, Volume.Of(Line("3 x 30 m @60,80,90%"), 1, Pace, ExerciseCatalogue.BuiltIn).SprintMetres);
        Assert.Equal(0, Volume.Of(Line("3 x 30 m sled 30%bm"), 1, Pace, ExerciseCatalogue.BuiltIn).TopSpeedMetres);
        Assert.Equal(20, Volume.Of(Line("pogos 2 x 10"), 1, Pace, ExerciseCatalogue.BuiltIn).ShortContacts);
        Assert.Equal(0.95, Asked("20.87 m").PeakShare, 3);
    }

    [Fact]
    public void Edits_keep_numbers_and_lose_nothing()
    {
        var plan = Plan("raise 4 min", "activate 3 min", "4 x 20 m", "4 x 10 m");
        Assert.Equal(["Warm-up", "Acceleration", "Acceleration"], plan.Blocks.Select(b => b.Title));
        var warm = plan.Blocks[0].Lines;
        var moved = plan.Move(plan.Blocks[2].Lines[0].Id, -1);
        Assert.Equal(plan.Blocks[2].Id, moved.Blocks[1].Id);
        Assert.Equal([warm[1].Id, warm[0].Id], plan.Move(warm[1].Id, -1).Blocks[0].Lines.Select(l => l.Id));
        var without = plan.Remove(warm.Select(l => l.Id).ToArray());
        Assert.Equal(2, without.Blocks.Count);
        var added = without.Add(Line("pogos 10"));
        Assert.True(added.Blocks[^1].Id > plan.LastId);
        var copied = plan.Copy(warm[0].Id);
        Assert.Equal(copied.Lines.Count(), copied.Lines.Select(l => l.Id).Concat(copied.Blocks.Select(b => b.Id)).Distinct().Count() - copied.Blocks.Count);
        var replaced = plan.Replace(plan.Blocks[1].Lines[0].Id, Line("3 x 20 build + 10 fly"));
        Assert.Equal("Max velocity", replaced.Blocks[1].Title);
        Assert.Equal(plan.Blocks[1].Lines[0].Id, replaced.Blocks[1].Lines[0].Id);
    }
}

public class SettingOutTests
{
    private static string Points(string text, double behind = 0) => string.Join(" | ", SettingOut.Of(LineDemand.Of(ShorthandLine.Read(text).Line!, ExerciseCatalogue.BuiltIn), behind).Select(p => $"{p.Metres:0.##} {p.What}"));

    [Fact]
    public void A_fly_is_set_out_with_its_gates_and_cones() =>
        Assert.Equal("0 start line | 20 cone: fly begins | 20 gate 20 m | 30 cone: slow begins | 30 gate 30 m | 50 stopped by here", Points("3 x 20 build + 10 fly + 20 slow"));

    [Fact]
    public void Gates_move_with_the_start_line_and_the_finish_cone_stands_beyond() =>
        Assert.Equal("0 start line | 0.5 first gate | 10.5 gate 10 m | 10.5 end of the run | 15.5 finish cone, run through it", Points("4 x 10 m through 5 m", 0.5));

    [Fact]
    public void Shuttles_and_turns_stand_where_they_are_run()
    {
        Assert.Contains("40 turning line", Points("20 up + 20 back + 40 up + 40 back"));
        Assert.Contains("5 turn 180° right", Points("5 + turn 180 right + 10 + turn 180 left + 5 m"));
        Assert.Empty(Points("pogos 10"));
    }

    [Theory]
    [InlineData("3 x 30 m @85,90,95%", "85 90 95 85 90", "1 2 3 4 5")]
    [InlineData("2 x 30 m @85,95% each side", "85 85 95 95 85", "1 2 3 4 5")]
    [InlineData("3 x 30 m @90%", "90 90 90", "0 1 7")]
    [InlineData("3 x 30 m", "100 100", "1 3")]
    public void A_turn_has_the_effort_of_its_rep_in_every_round_and_on_both_sides(string text, string expected, string turns)
    {
        var line = LineDemand.Of(ShorthandLine.Read(text).Line!, ExerciseCatalogue.BuiltIn);
        Assert.Equal(expected, string.Join(' ', turns.Split(' ').Select(t => line.EffortOfTurn(int.Parse(t, System.Globalization.CultureInfo.InvariantCulture)))));
    }

    // Of what is lifted a maximum can be reckoned; what is dragged, worn or run with is another load.
    [Theory]
    [InlineData("squat 3 x 5 80% max log load", true)]
    [InlineData("squat 3 x 5 log load", true)]
    [InlineData("loaded jump 3 x 3 vest 10 kg log load", false)]
    [InlineData("4 x 20 m sled 30 kg log load", false)]
    [InlineData("4 x 20 m log load", false)]
    public void Only_a_lift_has_a_maximum(string text, bool isLift) => Assert.Equal(isLift, Shorthand.ShorthandLine.Read(text).Line!.IsLift);
}
