using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Rest;
using InchBurst.Core.School;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;

namespace InchBurst.Core.Tests;

/// <summary>Conditioning by clock: work to rest, a time for each rep, distances and times from a test.</summary>
public class ConditioningTests
{
    private static PlanLine Line(string text) => ShorthandLine.Read(text).Line ?? throw new ArgumentException(text);

    private static LineDemand Demand(string text, SprintCurve? curve = null) => LineDemand.Of(Line(text), ExerciseCatalogue.BuiltIn, new(curve ?? DemandAthlete.UsualCurve));

    // science.md: 1200/(T - 29 x 0.7 s) (Baker and Heaney 2015, from memory): 5:22 -> 3.98 m/s.
    [Theory]
    [InlineData(322, 3.977)]
    [InlineData(260.3, 5.0)]
    [InlineData(191.8, 6.997)]
    [InlineData(191.7, null)]
    [InlineData(620.3, 2.0)]
    [InlineData(620.4, null)]
    [InlineData(20.3, null)]
    [InlineData(10, null)]
    public void The_shuttle_test_gives_a_speed(double seconds, double? speed)
    {
        Assert.Equal(speed is null, AerobicPace.OfShuttles(seconds) is null);
        Assert.Equal(speed ?? 0, AerobicPace.OfShuttles(seconds) ?? 0, 3);
    }

    // At 4 m/s: 110% for 15 s is 66 m; 200 m at 100% takes 50 s; a turn costs 0.7 s.
    [Theory]
    [InlineData("12 x 15 s 110% aerobic", 4, "66 m in 0:15")]
    [InlineData("12 x 15 s 100-110% aerobic", 4, "60 to 66 m in 0:15")]
    [InlineData("8 x 200 m 100% aerobic", 4, "200 m in 50 s")]
    [InlineData("8 x 200 m 80-100% aerobic", 4, "200 m in 0:50 to 1:03")]
    [InlineData("8 x 20 up + 20 m back 100% aerobic", 4, "40 m in 10.7 s")]
    [InlineData("20 up + 20 back + 40 up + 40 m back 100% aerobic", 4, "120 m in 32.1 s")]
    [InlineData("8 x 400 m 100% aerobic", 4, "400 m in 1:40")]
    [InlineData("20 m + turn 180 + 20 m 100% aerobic", 4, "40 m in 10.7 s")]
    [InlineData("8 x 200 m", 4, null)]
    [InlineData("pogo hops 3 x 10 110% aerobic", 4, null)]
    public void A_share_of_it_is_metres_or_seconds_for_each(string text, double speed, string? words) => Assert.Equal(words, AerobicPace.Words(Line(text), speed, DistanceUnit.Metre));

    [Fact]
    public void Yards_are_told_in_yards()
    {
        Assert.Equal("72 yd in 0:15", AerobicPace.Words(Line("12 x 15 s 110% aerobic"), 4, DistanceUnit.Yard));
        Assert.Equal("100 yd in 22.9 s", AerobicPace.Words(Line("8 x 100 yd 100% aerobic"), 4, DistanceUnit.Metre));
    }

    [Theory]
    [InlineData("12 x 15 s 110% aerobic", 61)]
    [InlineData("8 x 200 m 100% aerobic", 55)]
    [InlineData("8 x 200 m 40% aerobic", 30)]
    [InlineData("8 x 200 m 100% aerobic @80%", 80)]
    public void A_share_of_the_aerobic_speed_is_judged_as_a_little_over_half_of_top_speed(string text, double effort)
    {
        Assert.Equal(effort, Demand(text).HardestEffort);
        Assert.Equal(WorkKind.Conditioning, Line(text).Kind);
    }

    [Fact]
    public void A_time_for_each_rep_says_how_hard_it_is_for_whoever_runs_it()
    {
        var own = Demand("10 x 100 m").PaceAt(100).Seconds;
        Assert.Equal(Math.Round(100 * own / 18), Demand("10 x 100 m in 18 s").HardestEffort);
        Assert.True(Demand("10 x 100 m in 18 s", new SprintCurve(7, 1.3)).HardestEffort > Demand("10 x 100 m in 18 s", new SprintCurve(10, 1.1)).HardestEffort);
        Assert.Equal(100, Demand("10 x 100 m in 5 s").HardestEffort);
        Assert.Equal(30, Demand("10 x 100 m in 300 s").HardestEffort);
        Assert.False(Demand("10 x 100 m in 18 s").IsFull);
        Assert.Equal([100], LineMarks.Expected(Demand("10 x 100 m in 18 s")).Select(m => m.Amount));
        Assert.Empty(LineMarks.Expected(Demand("10 x 100 m @60%")));
    }

    [Theory]
    [InlineData("10 x 100 m in 18 s rest 1 to 1", 18)]
    [InlineData("10 x 100 m in 17-18 s rest 1 to 2", 36)]
    [InlineData("pogo hops 3 x 10 rest 1 to 1", 5)]
    [InlineData("6 x 30 s rest 1 to 1", 30)]
    [InlineData("6 x 30 s rest 1 to 2", 60)]
    [InlineData("6 x 30 s rest every 1:30", 60)]
    [InlineData("10 x 100 m in 17-18 s every 45 s", 27)]
    [InlineData("6 x 30 s every 20 s", 0)]
    public void Rest_follows_the_work(string text, double seconds) => Assert.Equal(seconds, RestRules.Between(Demand(text), CoachingSchool.Usual).Seconds, 3);

    [Fact]
    public void Starts_at_even_times_leave_what_the_rep_leaves()
    {
        var demand = Demand("8 x 40 m every 60 s");
        Assert.Equal(60 - demand.PaceAt(demand.HardestEffort).Seconds, RestRules.Between(demand, CoachingSchool.Usual).Seconds, 6);
        Assert.Equal("a start every 1:00", RestRules.Between(demand, CoachingSchool.Usual).Reason);
    }

    [Fact]
    public void Where_no_time_is_said_it_is_what_the_rep_is_expected_to_take()
    {
        var demand = Demand("6 x 20 up + 20 m back @80% rest 1 to 1");
        Assert.Equal(demand.PaceAt(80).Seconds, RestRules.Between(demand, CoachingSchool.Usual).Seconds, 6);
        Assert.Null(Line("6 x 30 s rest 1 to 2").Rest!.OfWork);
        Assert.Equal(2, Line("6 x 30 m rest 1 to 2").Rest!.OfWork);
    }

    private static string? Words(string text, double at, double seconds, StartTrigger trigger = StartTrigger.FirstMove) => LiveEntry.GoalWords(
        new LiveRun
        {
            Id = Guid.NewGuid(),
            AthleteId = 1,
            LineId = 1,
            Rep = 1,
            Outcome = RunOutcome.Timed,
            FinishedAt = default,
            What = new LoggedRun { Day = new(2026, 11, 27), Kind = WorkKind.Conditioning, Trigger = trigger, Marks = [new(Distance.InMetres(at), seconds)] },
        },
        Line(text));

    [Theory]
    [InlineData("10 x 100 m in 18 s", 100, 18.4, "0.40 s over 18 s")]
    [InlineData("10 x 100 m in 18 s", 100, 18, "on 18 s")]
    [InlineData("10 x 100 m in 18 s", 100, 17.75, "0.25 s inside 18 s")]
    [InlineData("10 x 100 m in 17-18 s", 100, 17.5, "on 17-18 s")]
    [InlineData("10 x 100 m in 17-18 s", 100, 18.1, "0.10 s over 17-18 s")]
    [InlineData("10 x 100 m in 17-18 s", 100, 16.9, "0.10 s inside 17-18 s")]
    [InlineData("4 x 1000 m in 3:45", 1000, 226, "1.00 s over 3:45")]
    [InlineData("10 x 100 m in 18 s", 50, 9, null)]
    [InlineData("10 x 100 m", 100, 18, null)]
    [InlineData("8 x 200 m 100% aerobic", 200, 50, null)]
    public void A_time_says_whether_the_rep_was_inside(string text, double at, double seconds, string? words) => Assert.Equal(words, Words(text, at, seconds));

    [Fact]
    public void The_time_of_a_zone_is_not_that_of_the_rep() => Assert.Null(Words("10 x 100 m in 18 s", 100, 18, StartTrigger.ZoneLine));

    [Fact]
    public void The_box_shows_what_the_rep_is_to_be_done_in()
    {
        var setting = new LiveSetting { Pace = DemandAthlete.UsualCurve, School = CoachingSchool.Usual };
        var state = new LiveState { Plan = SessionPlan.Empty, Day = new(2026, 11, 27), Usual = new(TimingMethod.Hand, StartTrigger.FirstMove, 0) };
        string[] Aims(string text, LiveAthlete athlete) => [.. LiveEntry.Targets(state, LiveEntry.DemandFor(Line(text), setting, athlete), setting, athlete).Select(t => t.Aim)];
        Assert.Equal(["in 18 s"], Aims("10 x 100 m in 18 s", new(1, "Ada")));
        var two = Aims("10 x 100 m in 18 s gates 50,100 m", new(1, "Ada"));
        Assert.StartsWith("expect", two[0], StringComparison.Ordinal);
        Assert.Equal("in 18 s", two[1]);
        Assert.Equal(["in 50.00"], Aims("8 x 200 m 100% aerobic log time", new(1, "Ada") { AerobicSpeed = 4 }));
        Assert.StartsWith("expect", Assert.Single(Aims("8 x 200 m 100% aerobic log time", new(1, "Ada"))), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("6 x 20 up + 20 m back @80% log time", 40, 3, "expect 9.40")]
    [InlineData("6 x 20 up + 20 m back @80% log time", 40, 2, null)]
    [InlineData("6 x 100 m", 100, 3, "expect 9.40")]
    [InlineData("6 x 80 m", 80, 3, null)]
    [InlineData("6 x 20 up + 20 m back @80% log time", 20, 3, null)]
    public void Shuttles_and_long_runs_are_foretold_by_own_results_else_by_the_curve(string text, double to, int runs, string? aim)
    {
        var setting = new LiveSetting { Pace = DemandAthlete.UsualCurve, School = CoachingSchool.Usual };
        var line = Line(text) with { Id = 7 };
        var state = new LiveState { Plan = SessionPlan.Empty, Day = new(2026, 11, 27), Usual = new(TimingMethod.Hand, StartTrigger.FirstMove, 0) };
        string Aim(LiveAthlete athlete) => LiveEntry.Targets(state, LiveEntry.DemandFor(line, setting, athlete), setting, athlete)[^1].Aim;
        var bare = Aim(new(1, "Ada"));
        Assert.Equal(aim ?? bare, Aim(new(1, "Ada") { Ranges = [new(7, null, [new(0, (int)(to * 1000), 9.2, 9.6, runs)])] }));
        Assert.Equal(bare, Aim(new(1, "Ada") { Ranges = [new(8, null, [new(0, (int)(to * 1000), 9.2, 9.6, runs)])] }));
        Assert.NotEqual("expect 9.40", bare);
    }

    [Theory]
    [InlineData("split squat 3 x 8 reps 2 x 20 kg", 40.0, 75, "2 x 20 kg")]
    [InlineData("squat 3 x 5 heavy", null, 85, "heavy")]
    [InlineData("squat 3 x 5 medium", null, 75, "medium")]
    [InlineData("squat 3 x 5 light", null, 60, "light")]
    [InlineData("squat 3 x 5 100 kg", 100.0, 80, "100 kg")]
    [InlineData("squat 3 x 5 70% max", null, 70, "70% max")]
    public void A_lift_is_as_heavy_as_it_is_said(string text, double? kilograms, double effort, string said)
    {
        var load = Line(text).Load!;
        Assert.Equal(kilograms, InchBurst.Core.Load.LoadEffect.Kilograms(load, 70));
        Assert.Equal(effort, Demand(text).HardestEffort);
        Assert.Equal(said, ShorthandPrinter.LoadText(load));
    }
}
