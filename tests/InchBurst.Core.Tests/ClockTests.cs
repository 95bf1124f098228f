using CsCheck;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Core.School;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Sprint;

namespace InchBurst.Core.Tests;

/// <summary>Group flow and timeline, worked out by hand beside the code.</summary>
public class ClockTests
{
    private static SessionPlan Plan(string lines) => lines.Split(';', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries).Aggregate(SessionPlan.Empty, (p, l) =>
        p.Add(new PlanBlock(0, "Block", [ShorthandLine.Read(l).Line ?? throw new ArgumentException(l + ": " + ShorthandLine.Read(l).Problem!.Message)])));

    private static ClockSetting Setting(int athletes = 1, int lanes = 1) => new(athletes, lanes, DemandAthlete.UsualCurve, ExerciseCatalogue.BuiltIn);

    private static ClockItem Lay(string line, ClockSetting? setting = null) => SessionClock.Lay(Plan(line), setting ?? Setting()).Items.Single();

    private static double Clear(string line) => LineDemand.Of(ShorthandLine.Read(line).Line!, ExerciseCatalogue.BuiltIn).PaceOf(0).ClearSeconds;

    [Theory]
    [InlineData(0, 1, 1, 1, 5, 0, 0, 0)]
    [InlineData(1, 0, 1, 1, 5, 0, 0, 0)]
    [InlineData(1, 1, 0, 1, 5, 0, 0, 0)]
    [InlineData(1, 1, 1, 0, 5, 0, 0, 0)]
    [InlineData(1, 1, 1, 1, 0, 0, 0, 0)]
    [InlineData(1, 1, 1, 1, 5, -1, 0, 0)]
    [InlineData(1, 1, 1, 1, 5, 0, -1, 0)]
    [InlineData(1, 1, 1, 1, 5, 0, 0, -1)]
    public void A_flow_of_nobody_or_of_negative_time_is_refused(int athletes, int lanes, int sets, int reps, double busy, double rest, double setRest, double interval) =>
        Assert.Throws<ArgumentOutOfRangeException>(() => GroupFlow.Simulate(new(athletes, lanes, sets, reps, busy, rest, setRest, interval)));

    [Fact]
    public void Two_athletes_two_sets_of_two_on_one_lane_by_hand()
    {
        // 10 s a go, 25 s between reps, 60 s between sets: A 0-10, B 10-20, A 35-45, B 45-55; then the sets: A 105-115, B 115-125, A 140-150, B 150-160.
        var flow = GroupFlow.Simulate(new(2, 1, 2, 2, 10, 25, 60, 0));
        Assert.Equal([0, 10, 35, 45, 105, 115, 140, 150], flow.Goes.Select(g => g.StartSeconds));
        Assert.Equal([0, 1, 0, 1, 0, 1, 0, 1], flow.Goes.Select(g => g.Athlete));
        Assert.Equal([0, 0, 1, 1, 2, 2, 3, 3], flow.Goes.Select(g => g.Rep));
        Assert.Equal([null, null, 25, 25, 60, 60, 25, 25], flow.Goes.Select(g => g.RestBeforeSeconds));
        Assert.Equal((160, 15.0 + 50 + 15, 25.0, 60.0), (flow.FinishSeconds, flow.IdleSeconds, flow.ShortestRest!.Value, flow.LongestRest!.Value));
        Assert.All(flow.Goes, g => Assert.Equal(0, g.Lane));
    }

    [Fact]
    public void Lanes_are_taken_in_turn_the_starter_waits_and_one_go_rests_nobody()
    {
        var flow = GroupFlow.Simulate(new(4, 2, 1, 1, 10, 60, 60, 3));
        Assert.Equal([0, 3, 10, 13], flow.Goes.Select(g => g.StartSeconds));
        Assert.Equal([0, 1, 0, 1], flow.Goes.Select(g => g.Lane));
        Assert.Null(flow.ShortestRest);
        Assert.Null(flow.LongestRest);
        Assert.Equal(0, flow.IdleSeconds);

        // Close behind one another: the lane is free for the next after the headway, the line is over when the last has cleared.
        var waves = GroupFlow.Simulate(new(3, 1, 1, 1, 10, 0, 0, 0, 4));
        Assert.Equal([0, 4, 8], waves.Goes.Select(g => g.StartSeconds));
        Assert.Equal(18, waves.FinishSeconds);
    }

    [Fact]
    public void A_line_that_queues_is_laid_out_go_by_go()
    {
        var busy = Clear("20 m") + 3;
        var item = Lay("2 x 20 m @100,80% rest 1:00", Setting(3));
        var flow = GroupFlow.Simulate(new(3, 1, 1, 2, Math.Max(Clear("20 m"), Clear("20 m @80%")) + 3, 60, 60, 0));
        Assert.Equal(flow.FinishSeconds, item.Seconds, 6);
        Assert.Equal(flow.Goes.Select(g => (Math.Round(g.StartSeconds, 6), Math.Round(g.StartSeconds + flow.Goes[0].ClearSeconds - 3, 6))), item.Bars.Select(b => (Math.Round(b.StartSeconds, 6), Math.Round(b.EndSeconds, 6))));
        Assert.Equal([100, 100, 100, 80, 80, 80], item.Bars.Select(b => b.Effort));
        Assert.Equal((false, 60.0, flow.ShortestRest, flow.LongestRest, flow.IdleSeconds), (item.Continuous, item.RestSeconds!.Value, item.ShortestRestSeconds, item.LongestRestSeconds, item.IdleSeconds));
        Assert.True(busy > 0);

        // Both sides are goes of their own, with the effort of their rep.
        var sides = Lay("2 x 20 m each side @100,80% rest 1:00");
        Assert.Equal([100, 100, 80, 80], sides.Bars.Select(b => b.Effort));

        // Lanes that go together are one bar.
        Assert.Equal(2, Lay("20 m", Setting(4, 2)).Bars.Count);
        Assert.Equal(4, Lay("20 m", Setting(4, 2) with { StartIntervalSeconds = 1 }).Bars.Count);
    }

    [Fact]
    public void Sets_whom_it_is_for_and_the_school_count()
    {
        double Busy(string line) => Clear(line) + 3;
        Assert.Equal((4 * Busy("20 m")) + 60 + 300 + 60, Lay("2 x 2 x 20 m rest 1:00/5:00").Seconds, 6);
        Assert.Equal((4 * Busy("20 m")) + (3 * 60), Lay("2 x 2 x 20 m rest 1:00").Seconds, 6);
        Assert.Equal(2 * Busy("20 m"), Lay("20 m", Setting(5) with { AthletesFor = _ => 2 }).Seconds, 6);
        Assert.Equal(5 * Busy("20 m"), Lay("20 m", Setting(5) with { AthletesFor = _ => 9 }).Seconds, 6);
        Assert.Equal(Busy("20 m"), Lay("20 m", Setting(5) with { AthletesFor = _ => 0 }).Seconds, 6);

        // 20 m by the first school 2:00, by the one for short windows 1:20.
        Assert.Equal((2 * Busy("20 m")) + 120, Lay("2 x 20 m").Seconds, 6);
        Assert.Equal((2 * Busy("20 m")) + 80, Lay("2 x 20 m", Setting() with { School = CoachingSchool.BuiltIn[2] }).Seconds, 6);
        Assert.Equal(12 + 60 + 12, Lay("broad jump 2 x 3", Setting() with { School = CoachingSchool.BuiltIn[2] }).Seconds, 6);
    }

    [Fact]
    public void Work_done_together_runs_on_with_its_rests_and_sides()
    {
        // Three jumps of 4 s, 1:30 between sets.
        var jumps = Lay("broad jump 3 x 3", Setting(20));
        Assert.Equal((3 * 12) + (2 * 90), jumps.Seconds, 6);
        Assert.Equal([(0, 12), (102, 114), (204, 216)], jumps.Bars.Select(b => (b.StartSeconds, b.EndSeconds)));
        Assert.All(jumps.Bars, b => Assert.Equal(95, b.Effort));
        Assert.Equal((false, 90.0, 90.0), (jumps.Continuous, jumps.RestSeconds!.Value, jumps.ShortestRestSeconds!.Value));
        Assert.Equal(24, Lay("broad jump 1 x 6").Seconds, 6);
        Assert.Equal(2 * 4 * 2.5, Lay("split jump 1 x 4").Seconds, 6);
        Assert.Equal((6 * 12) + (4 * 20) + 100, Lay("broad jump 2 x 3 x 3 rest 20 s/100 s").Seconds, 6);

        var raise = Lay("raise 4 min");
        Assert.Equal((true, 240.0, (double?)null, (double?)null), (raise.Continuous, raise.Seconds, raise.RestSeconds, raise.ShortestRestSeconds));
        Assert.Equal(60, Lay("side plank 1 x 30 s").Seconds, 6);
        Assert.Equal((2 * 60) + 30, Lay("side plank 2 x 30 s").Seconds, 6);
        var stretch = Lay("hamstring stretch 2 x 30 s");
        Assert.Equal((true, 120.0, 0.0), (stretch.Continuous, stretch.Seconds, stretch.RestSeconds!.Value));
    }

    [Fact]
    public void Waves_have_four_lanes_at_the_least_and_kit_bounds_them()
    {
        var skip = Clear("A-skip 10 m");
        Assert.Equal(skip, Lay("A-skip 1 x 10 m", Setting(4)).Seconds, 6);
        Assert.Equal(3 + skip, Lay("A-skip 1 x 10 m", Setting(5)).Seconds, 6);
        Assert.Equal(skip, Lay("A-skip 1 x 10 m", Setting(5, 5)).Seconds, 6);

        // A short wave follows as soon as the one before is through.
        var brief = Clear("A-skip 5 m");
        Assert.True(brief < 3);
        Assert.Equal(2 * brief, Lay("A-skip 1 x 5 m", Setting(5)).Seconds, 6);

        // Sleds bound the lanes: with one sled on two lanes four athletes go one after another.
        var pull = Clear("20 m sled 10 kg") + 3;
        Assert.Equal(4 * pull, Lay("20 m sled 10 kg", Setting(4, 2) with { Kit = new Dictionary<LimitedKit, int> { [LimitedKit.Sled] = 1 } }).Seconds, 6);
        Assert.Equal(2 * pull, Lay("20 m sled 10 kg", Setting(4, 2) with { Kit = new Dictionary<LimitedKit, int> { [LimitedKit.Sled] = 3 } }).Seconds, 6);
        Assert.Equal(2 * pull, Lay("20 m sled 10 kg", Setting(4, 2) with { Kit = new Dictionary<LimitedKit, int> { [LimitedKit.Sled] = 0 } }).Seconds, 6);

        // Racks beside many lanes: what counts is the racks.
        Assert.Equal(2 * 18, Lay("squat 3", Setting(4, 1) with { Kit = new Dictionary<LimitedKit, int> { [LimitedKit.Rack] = 2 } }).Seconds, 6);
    }

    [Fact]
    public void Rounds_and_stations_follow_each_other_without_holes()
    {
        var plan = SessionPlan.Empty.Add(new PlanBlock(0, "Pair", [ShorthandLine.Read("2 min").Line!, ShorthandLine.Read("3 min").Line!], 2, 30)).Add(new PlanBlock(0, "Rounds", [ShorthandLine.Read("1 min").Line!], 2));
        var timeline = SessionClock.Lay(plan, Setting());
        Assert.Equal([(0, 120, 0), (120, 300, 0), (330, 450, 1), (450, 630, 1), (630, 690, 0), (690, 750, 1)], timeline.Items.Select(i => (i.StartSeconds, i.EndSeconds, i.Round)));
        Assert.Equal((750, 240, 360), (timeline.TotalSeconds, timeline.SecondsOf(plan.Blocks[0].Lines[0].Id), timeline.SecondsOf(plan.Blocks[0].Lines[1].Id)));
        Assert.Equal(plan.Blocks[0].Id, timeline.Items[0].BlockId);

        // Five athletes at two stations are three and two; the bigger group sets the pace: three 20 m runs one after another against a minute.
        var stations = SessionPlan.Empty.Add(new PlanBlock(0, "Stations", [ShorthandLine.Read("7 x 20 m rest 0:00").Line!, ShorthandLine.Read("1 min").Line!], Stations: true));
        var each = SessionClock.Lay(Plan("7 x 20 m rest 0:00"), Setting(3)).TotalSeconds;
        Assert.True(each > 60);
        var laid = SessionClock.Lay(stations, Setting(5) with { AthletesFor = _ => 5 });
        Assert.Equal([(0, each), (each, 2 * each)], laid.Items.Select(i => (i.StartSeconds, i.EndSeconds)));
        Assert.Single(SessionClock.Lay(SessionPlan.Empty.Add(new PlanBlock(0, "One", [ShorthandLine.Read("1 min").Line!], Stations: true)), Setting(5)).Items);
    }

    [Fact]
    public void A_forecast_is_what_is_left_and_what_comes_after()
    {
        var plan = SessionPlan.Empty.Add(new PlanBlock(0, "Twice", [ShorthandLine.Read("2 min").Line!], 2)).Add(ShorthandLine.Read("5 min").Line!);
        var timeline = SessionClock.Lay(plan, Setting());
        var (first, last) = (plan.Blocks[0].Lines[0].Id, plan.Blocks[1].Lines[0].Id);

        // 9:00 planned. Half of the first round's 2:00 left, 7:00 after it, 100 s gone.
        Assert.Equal(new Forecast(100 + 60 + 420, 580 - 540, 580 - 600), Forecast.Of(timeline, first, 0, 0.5, 100, 600));
        Assert.Equal(100 + 60 + 300, Forecast.Of(timeline, first, 1, 0.5, 100, 600).FinishSeconds);

        // A round that is not there counts as the line's first; a line that is not there leaves nothing.
        Assert.Equal(100 + 60 + 420, Forecast.Of(timeline, first, 7, 0.5, 100, 600).FinishSeconds);
        Assert.Equal(100, Forecast.Of(timeline, 99, 0, 1, 100, 600).FinishSeconds);
        Assert.Equal(new Forecast(800, 260, 200), Forecast.Of(timeline, last, 0, 1, 500, 600));
    }

    [Fact]
    public void What_a_line_asks_is_worked_out_once_a_line_and_anew_for_another_pace()
    {
        var setting = Setting();
        var line = ShorthandLine.Read("40 m").Line!;
        Assert.Same(setting.DemandOf(line), setting.DemandOf(line));
        var other = setting with { Pace = new SprintCurve(10, 1) };
        Assert.Equal(new SprintCurve(10, 1), other.DemandOf(line).Athlete.Curve);
        Assert.Same(other.DemandOf(line), other.DemandOf(line));
        Assert.Equal(DemandAthlete.UsualCurve, setting.DemandOf(line).Athlete.Curve);
    }
}
