using CsCheck;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Check;
using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Make;
using InchBurst.Core.Plan;
using InchBurst.Core.Progress;
using InchBurst.Core.Rest;
using InchBurst.Core.School;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Sprint;

namespace InchBurst.Core.Tests;

/// <summary>The rules, the clock and the offers ask what is done: classes of lines that once slipped through.</summary>
public class JudgedByMovementTests
{
    private const string Warm = "raise 6 min; mobilise 5 min; build-up 3 x 20 m @75,80,85% rest walk-back; ";

    private static SessionPlan Plan(string lines) => lines.Split(';', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries).Aggregate(SessionPlan.Empty, (p, l) =>
        p.Add(ShorthandLine.Read(l).Line ?? throw new ArgumentException(l + ": " + ShorthandLine.Read(l).Problem!.Message)));

    private static CheckContext Context(SessionPlan plan, CoachingSchool? school = null, double window = 120, double straight = 60, double runOut = 20, int athletes = 1, int lanes = 1)
    {
        var setting = new ClockSetting(athletes, lanes, DemandAthlete.UsualCurve, ExerciseCatalogue.BuiltIn, School: school ?? CoachingSchool.Usual);
        return new(plan, SessionClock.Lay(plan, setting), window * 60, straight, runOut, [], ExerciseCatalogue.BuiltIn) { School = school ?? CoachingSchool.Usual, Setting = setting };
    }

    private static IReadOnlyList<Finding> Find(CheckContext context, string rule) => [.. PlanChecks.Judge(context).Where(f => f.Rule == rule)];

    private static string Found(string lines, CoachingSchool? school = null) => string.Join(' ', PlanChecks.Judge(Context(Plan(lines), school)).Select(f => f.Rule.Replace(' ', '-')).Distinct().Order());

    [Theory]
    [InlineData("@93%")]
    [InlineData("@90-95%")]
    [InlineData("@85-95%")]
    [InlineData("@0-100%")]
    [InlineData("@50-95% rising")]
    [InlineData("@93,93%")]
    [InlineData("full")]
    [InlineData("")]
    [InlineData("@93% as conditioning")]
    [InlineData("@90-95% as cool-down")]
    public void However_a_full_effort_is_written_every_rule_holds(string effort)
    {
        var plain = Found("raise 4 min; 3 x 40 m @93% rest 0:43");
        Assert.Equal("build-ups cool-down rest slow-down warm-up", plain);
        Assert.Equal(plain, Found($"raise 4 min; 3 x 40 m {effort} rest 0:43"));

        // By the rule a band, a list and a rise rest as long as the figure at their hard end.
        Assert.Equal(240, RestRules.ByRule(LineDemand.Of(ShorthandLine.Read($"3 x 40 m {effort}").Line!, ExerciseCatalogue.BuiltIn), CoachingSchool.Usual).Seconds);
    }

    [Theory]
    [InlineData("2 x 100 m from blocks")]
    [InlineData("2 x 300 ft @0-100%")]
    [InlineData("20 m hop")]
    [InlineData("cut ninety")]
    [InlineData("repeat sprints 6 x 20 m")]
    [InlineData("five-ten-five")]
    [InlineData("squat 3 x 3")]
    [InlineData("overhead back throw 3 x 3")]
    [InlineData("2 x 20 m shuffle")]
    [InlineData("40 m tow +3%v @50%")]
    [InlineData("4 x 20 m @80% as drill")]
    public void Whatever_loads_a_tissue_hard_shows_the_held(string line)
    {
        var held = Context(Plan(line)) with { Restrictions = [new("Tuva", false, "tight calf"), new("Freja", true, "")] };
        var found = Find(held, "restriction");
        Assert.Equal(["Tuva is on modified training", "Freja is out"], found.Select(f => f.Said));
        Assert.Contains("hard. Return to full work is for the clinician", found[0].Why);
        Assert.Empty(Find(Context(Plan("raise 5 min; A-skip 2 x 15 m; 3 x 20 m @79%; cool-down 5 min")) with { Restrictions = held.Restrictions }, "restriction"));
    }

    [Theory]
    [InlineData("broad jump 3 x 3")]
    [InlineData("alternate bound 3 x 20 m")]
    [InlineData("repeat sprints 6 x 20 m")]
    [InlineData("five-ten-five")]
    [InlineData("2 x 20 m sled 40%bm")]
    public void No_full_effort_of_any_kind_is_done_cold(string line)
    {
        Assert.Equal(Severity.Stop, Assert.Single(Find(Context(Plan(line)), "warm-up")).Severity);

        // What nobody knows, what is held still, what is heavy and what is full itself warm nobody.
        Assert.Equal(Severity.Stop, Assert.Single(Find(Context(Plan($"\"our game\" 15 min; hamstring stretch 4 x 60 s; squat 3 x 3; {line}")), "warm-up")).Severity);
        Assert.Equal(Severity.Mind, Assert.Single(Find(Context(Plan($"raise 3 min; {line}")), "warm-up")).Severity);
        Assert.Equal(Severity.Stop, Assert.Single(Find(Context(Plan($"raise 179 s; {line}")), "warm-up")).Severity);
        Assert.Empty(Find(Context(Plan($"raise 15 min; {line}")), "warm-up"));
        Assert.NotEmpty(Find(Context(Plan($"raise 898 s; {line}")), "warm-up"));
    }

    [Theory]
    [InlineData("20 build + 10 fly + 5 m slow", 35, 0, true)]
    [InlineData("20 build + 10 fly + 5 m slow", 38, 0, false)]
    [InlineData("20 build + 10 fly", 35, 0, true)]
    [InlineData("20 build + 10 fly + 8 m slow", 38, 0, false)]
    [InlineData("6 x 5 back + turn 180 left + 20 m", 25, 19, true)]
    [InlineData("6 x 5 back + turn 180 left + 20 m", 25, 20, false)]
    [InlineData("20 up + 20 back", 20, 0, false)]
    [InlineData("20 up + 20 back", 19, 30, true)]
    [InlineData("five-ten-five", 5, 4, true)]
    [InlineData("five-ten-five", 5, 5, false)]
    [InlineData("four-by", 60, 20, false)]
    [InlineData("40 m @69%", 40, 0, false)]
    [InlineData("40 m @70%", 40, 0, true)]
    [InlineData("40 m sled 60%bm", 40, 19, true)]
    [InlineData("repeat sprints 6 x 40 m", 39, 30, true)]
    public void Room_is_asked_for_by_where_a_run_ends_and_how_fast(string line, double straight, double runOut, bool stops)
    {
        var plan = Plan(line == "four-by" ? "4 x 10 m" : line);
        Assert.Equal(stops, Find(Context(plan, straight: straight, runOut: runOut), "room").Count > 0);
    }

    [Fact]
    public void The_young_and_the_returning_need_more_room_and_a_faster_athlete_as_well()
    {
        var plan = Plan("20 build + 10 fly + 8 m slow");
        Assert.Empty(Find(Context(plan, straight: 30, runOut: 8.1), "room"));
        var quick = new CheckedAthlete("Quick", new SprintCurve(10.5, 1.2), false);
        Assert.NotEmpty(Find(Context(plan, straight: 30, runOut: 8.1) with { Athletes = [quick] }, "room"));
        var able = new CheckedAthlete("Able", DemandAthlete.UsualCurve, false, 16);
        Assert.Empty(Find(Context(plan, straight: 30, runOut: 8.1) with { Athletes = [able] }, "room"));
        Assert.NotEmpty(Find(Context(plan, straight: 30, runOut: 8.1) with { Athletes = [able with { Age = 15 }] }, "room"));
        Assert.NotEmpty(Find(Context(plan, straight: 30, runOut: 8.1) with { Athletes = [able with { IsReturning = true }] }, "room"));
    }

    [Theory]
    [InlineData("2 x 15 m sled 150%bm")]
    [InlineData("2 x 15 m sled -60%v")]
    [InlineData("2 x 15 m sled 60 kg")]
    [InlineData("2 x 15 m chain 100 lb")]
    [InlineData("heavy sled 2 x 15 m")]
    [InlineData("2 x 15 m uphill 12deg")]
    [InlineData("2 x 15 m band heavy")]
    public void A_light_load_school_refuses_a_heavy_load_in_whatever_unit(string line)
    {
        var found = Assert.Single(Find(Context(Plan(Warm + line)), "load"));
        Assert.Contains("heavier than this school pulls (10%)", found.Said);
        Assert.Empty(Find(Context(Assert.Single(found.Fixes).Plan), "load"));
        Assert.Empty(Find(Context(Plan(Warm + "2 x 15 m sled 10%bm; 2 x 15 m band light; 2 x 15 m uphill 2deg")), "load"));
    }

    [Fact]
    public void Help_is_judged_by_what_it_adds_and_a_slope_counts_as_help()
    {
        Assert.Contains("over the ceiling", Assert.Single(Find(Context(Plan("3 x 40 m downhill 4deg")), "ceiling")).Said);
        Assert.Empty(Find(Context(Plan("3 x 40 m downhill 2deg")), "ceiling"));
        Assert.Empty(Find(Context(Plan("alternate bound 3 x 20 m downhill 4deg")), "assisted"));
        Assert.Equal(WorkKind.Jumps, Plan("alternate bound 3 x 20 m downhill 4deg").Lines.Single().Kind);
        var mended = Find(Context(Plan("3 x 40 m downhill 4deg")), "ceiling")[0].Fixes[0].Plan;
        Assert.Empty(Find(Context(mended), "ceiling"));
    }

    [Fact]
    public void What_is_not_in_the_catalogue_is_said()
    {
        var found = Find(Context(Plan("\"our relay\" 4 x 30 m; \"our game\" 10 min; \"our game\" 4 x 30 m @60%")), "not known");
        Assert.Equal(3, found.Count);
        Assert.Contains("running at 100%; say how hard it is", found[0].Why);
        Assert.Contains("does not count as warm-up", found[1].Why);
        Assert.Contains("running at 60%, or add it", found[2].Why);
        Assert.Equal(WorkKind.Drill, Plan("\"our game\" 10 min").Lines.Single().Kind);
    }

    [Fact]
    public void Cool_down_and_order_go_by_where_easy_work_stands()
    {
        // Five easy minutes after the last full effort are a cool-down by whatever name; before it they are not.
        Assert.Empty(Find(Context(Plan(Warm + "4 x 20 m; walk and breathe 5 min")), "cool-down"));
        Assert.NotEmpty(Find(Context(Plan(Warm + "walk and breathe 5 min; 4 x 20 m")), "cool-down"));
        Assert.Contains("Only 4:58", Find(Context(Plan(Warm + "4 x 20 m; cool-down 298 s")), "cool-down")[0].Said);
        Assert.Equal("raise comes after full efforts", Assert.Single(Find(Context(Plan("mobilise 15 min; broad jump 3 x 3; raise 5 min")), "order")).Said);
        Assert.Equal("hamstring stretch before full efforts", Assert.Single(Find(Context(Plan(Warm + "hamstring stretch 2 x 30 s; broad jump 3 x 3")), "holds")).Said);
    }

    [Fact]
    public void Build_ups_may_stand_in_the_line_itself()
    {
        Assert.Empty(Find(Context(Plan("raise 15 min; 4 x 30 m @75,85,95,100%")), "build-ups"));
        Assert.NotEmpty(Find(Context(Plan("raise 15 min; 4 x 30 m @85,95,100%")), "build-ups"));
        Assert.NotEmpty(Find(Context(Plan("raise 15 min; 3 x 20 m @79%; 4 x 30 m")), "build-ups"));
        Assert.Empty(Find(Context(Plan("raise 15 min; 3 x 20 m @80%; 4 x 30 m")), "build-ups"));
        Assert.Empty(Find(Context(Plan("raise 15 min; mini-hurdle run 4 passes; 4 x 30 m")), "build-ups"));
    }

    [Fact]
    public void Rest_is_asked_for_after_full_reps_only_and_by_the_hardest_of_them()
    {
        // 30 m at 60 s for each 10 m is 3:00 after the 95%; what follows 85% may walk back.
        Assert.Contains("of 3:00", Assert.Single(Find(Context(Plan(Warm + "3 x 30 m @85,95,95% rest 1:00")), "rest")).Said);
        Assert.Empty(Find(Context(Plan(Warm + "3 x 30 m @75,85,95% rest walk-back")), "rest"));
        Assert.Empty(Find(Context(Plan(Warm + "3 x 30 m rest 2:59")), "rest"));
        Assert.NotEmpty(Find(Context(Plan(Warm + "3 x 30 m rest 2:58")), "rest"));

        // Two sharp turns count for 5 m each: (20 + 10) m.
        Assert.Contains("of 3:00", Assert.Single(Find(Context(Plan(Warm + "3 x 5 + turn 180 right + 10 + turn 180 left + 5 m rest 2:00")), "rest")).Said);
    }

    [Theory]
    [InlineData("4 x 20 m @90%", 120, "1:00 for each 10 m")]
    [InlineData("4 x 20 m @89%", 120, "under 90%")]
    [InlineData("4 x 10 m @89%", 60, "under 90%")]
    [InlineData("4 x 5 m", 60, "for each 10 m")]
    [InlineData("4 x 20 m @69%", 14.29, "walk back")]
    [InlineData("2 x 300 m @65%", 120, "easy")]
    [InlineData("2 x 200 m", 900, "for each 10 m")]
    [InlineData("4 x 20 m sled -11%v", 180, "1:30 for each 10 m")]
    [InlineData("4 x 20 m sled -10%v", 120, "1:00 for each 10 m")]
    [InlineData("alternate bound 3 x 20 m", 90, "bounds and hops")]
    [InlineData("alternate bound 3 x 200 m", 142.86, "walk back")]
    [InlineData("broad jump 3 x 3", 90, "jumps and throws")]
    [InlineData("overhead back throw 3 x 3", 90, "jumps and throws")]
    [InlineData("squat 3 x 3", 120, "lifts")]
    [InlineData("squat 3 x 3 85% max", 180, "lifts")]
    [InlineData("front plank 2 x 30 s", 30, "holds")]
    [InlineData("hamstring stretch 2 x 30 s", 0, "breath")]
    [InlineData("bike intervals 6 x 15 s", 15, "as long as the work")]
    [InlineData("clamshell 2 x 10", 15, "breath")]
    [InlineData("A-skip 2 x 15 m", 10.71, "walk back")]
    [InlineData("mini-hurdle run 2 x 4 passes", 120, "passes")]
    [InlineData("3 x 30 m @70,80,90%", 120, "under 90%")]
    [InlineData("3 x 30 m @70,90,80%", 180, "for each 10 m")]
    [InlineData("20 m bound + 20 m", 240, "for each 10 m")]
    public void Rest_by_rule_goes_by_what_is_done(string text, double seconds, string reason)
    {
        var rule = RestRules.ByRule(LineDemand.Of(ShorthandLine.Read(text).Line!, ExerciseCatalogue.BuiltIn), CoachingSchool.Usual);
        Assert.Equal(seconds, rule.Seconds, 2);
        Assert.Contains(reason, rule.Reason);
        Assert.True(rule.Key is null || CoachingSchool.Numbers.Any(n => n.Key == rule.Key));
    }

    [Fact]
    public void Racks_walls_sleds_and_hurdles_make_a_queue_when_there_are_few()
    {
        ClockItem Lay(string line, int athletes, params (LimitedKit, int)[] kit)
        {
            var setting = new ClockSetting(athletes, 2, DemandAthlete.UsualCurve, ExerciseCatalogue.BuiltIn) { Kit = kit.ToDictionary(k => k.Item1, k => k.Item2) };
            return SessionClock.Lay(Plan(line), setting).Items.Single();
        }

        // Thirteen athletes at one rack, three squats of 5 s each and 3 s to change: 13 x 18 s less the last change is no rest for anybody.
        Assert.Equal(13 * (15 + 3), Lay("squat 3", 13, (LimitedKit.Rack, 1)).Seconds, 6);
        Assert.Equal(15, Lay("squat 3", 13).Seconds, 6);
        Assert.Equal(7 * 18, Lay("squat 3", 13, (LimitedKit.Rack, 2)).Seconds, 6);
        Assert.Equal(15, Lay("squat 3", 13, (LimitedKit.Wall, 1)).Seconds, 6);

        // Sleds bound the lanes they are pulled on, and never add any.
        Assert.True(Lay("2 x 20 m sled 10 kg", 8, (LimitedKit.Sled, 1)).Seconds > Lay("2 x 20 m sled 10 kg", 8).Seconds + 20);
        Assert.Equal(Lay("2 x 20 m sled 10 kg", 8).Seconds, Lay("2 x 20 m sled 10 kg", 8, (LimitedKit.Sled, 5)).Seconds, 6);
        Assert.True(Lay("wall hold 2 x 15 s", 12, (LimitedKit.Wall, 3)).Seconds > 3.9 * Lay("wall hold 1 x 15 s", 12).Seconds);
    }

    [Fact]
    public void Passes_queue_waves_do_not_and_starter_and_changeover_are_settable()
    {
        double Lay(string line, int athletes, Func<ClockSetting, ClockSetting>? with = null)
        {
            var setting = new ClockSetting(athletes, 1, DemandAthlete.UsualCurve, ExerciseCatalogue.BuiltIn);
            return SessionClock.Lay(Plan(line), with?.Invoke(setting) ?? setting).TotalSeconds;
        }

        // Ten athletes through one row of hurdles follow each other every 3 s.
        Assert.Equal((9 * 3) + 4, Lay("mini-hurdle run 1 passes", 10), 6);
        Assert.Equal(4, Lay("mini-hurdle run 1 passes", 1) - 0, 6);
        Assert.True(Lay("3 x 30 m @80% in waves rest walk-back", 12) < Lay("3 x 30 m @80% rest walk-back", 12) / 2);
        var run = LineDemand.Of(ShorthandLine.Read("20 m").Line!, ExerciseCatalogue.BuiltIn).PaceOf(0).ClearSeconds;
        Assert.Equal(4 * (run + 3), Lay("20 m", 4), 6);
        Assert.Equal(4 * (run + 10), Lay("20 m", 4, s => s with { ChangeoverSeconds = 10 }), 6);
        Assert.Equal((3 * 60) + run + 3, Lay("20 m", 4, s => s with { StartIntervalSeconds = 60 }), 6);

        // Another pace in a copy of the setting is another clock.
        Assert.True(Lay("40 m", 1, s => s with { Pace = new SprintCurve(10, 1) }) < Lay("40 m", 1) - 0.3);
    }

    [Fact]
    public void A_walk_within_a_rep_is_walked() =>
        Assert.Equal(28 / 1.4, SessionClock.Lay(Plan("20 m + 28 walk + 20 m"), new(1, 1, DemandAthlete.UsualCurve, ExerciseCatalogue.BuiltIn)).TotalSeconds
            - SessionClock.Lay(Plan("20 m"), new(1, 1, DemandAthlete.UsualCurve, ExerciseCatalogue.BuiltIn)).TotalSeconds
            - LineDemand.Of(ShorthandLine.Read("20 m + 1 walk + 20 m").Line!, ExerciseCatalogue.BuiltIn).PaceOf(0).Legs[2].Seconds, 0.01);

    [Theory]
    [InlineData("raise 14 min; 3 x 40 m rest 4:00; 3 x 40 m rest 4:00; cool-down 5 min", 14, 1, 40)]
    [InlineData("raise 14 min; 6 x 20 build + 10 fly + 20 slow rest 4:00; cool-down 5 min", 20, 1, 30)]
    [InlineData("raise 14 min; 4 x 20 m rest 2:00; 3 x 20 build + 10 fly + 20 slow rest 4:00; broad jump 3 x 3", 6, 2, 27)]
    [InlineData("raise 20 min; 8 x 10 m rest 1:00", 20, 1, 25)]
    public void Offers_truly_fit_with_several_together_if_need_be_and_no_two_share_a_label(string lines, int athletes, int lanes, double window)
    {
        var context = Context(Plan(lines), window: window, athletes: athletes, lanes: lanes);
        var offers = FitOffers.For(context.Plan, context.Setting!, window * 60);
        Assert.NotEmpty(offers);
        Assert.Equal(offers.Count, offers.Select(o => o.Label).Distinct().Count());
        foreach (var offer in offers)
        {
            var end = SessionClock.Lay(offer.Plan, context.Setting! with { Lanes = offer.Lanes }).TotalSeconds;
            Assert.Equal(offer.EndSeconds, end, 6);
            Assert.Equal(end > (window * 60) + 0.5, offer.Cost.Contains("still", StringComparison.Ordinal));
            Assert.All(offer.Plan.Lines, l => Assert.True(l.TotalReps >= 1));
            Assert.Equal(context.Plan.Lines.Select(l => l.Rest).Distinct().Count(), offer.Plan.Lines.Select(l => l.Rest).Distinct().Count());
        }
    }

    [Fact]
    public void When_one_change_is_not_enough_the_offer_is_several_together()
    {
        var context = Context(Plan("raise 14 min; 6 x 20 build + 10 fly + 20 slow rest 4:00; cool-down 5 min"), window: 30, athletes: 20);
        var offer = Assert.Single(FitOffers.For(context.Plan, context.Setting!, 30 * 60));
        Assert.Contains(", ", offer.Label);
        Assert.True(offer.EndSeconds <= (30 * 60) + 0.5);

        // Lines that look alike are told apart.
        var twins = Context(Plan("raise 14 min; 3 x 40 m rest 4:00; 3 x 40 m rest 4:00"), window: 41, athletes: 1);
        Assert.Contains(FitOffers.For(twins.Plan, twins.Setting!, SessionClock.Lay(twins.Plan, twins.Setting!).TotalSeconds - 60), o => o.Label.Contains("(line 2)", StringComparison.Ordinal));
        Assert.Empty(FitOffers.For(twins.Plan, twins.Setting!, SessionClock.Lay(twins.Plan, twins.Setting!).TotalSeconds - 0.4));
    }

    [Fact]
    public void A_stop_that_nothing_dropped_is_said_in_at_most_one_rep_in_twenty()
    {
        var random = new Random(3);
        foreach (var method in new[] { TimingMethod.Electronic, TimingMethod.Hand })
        {
            foreach (var reps in new[] { 2, 3, 4, 6, 10 })
            {
                var stops = 0;
                for (var i = 0; i < 4000; i++)
                {
                    var times = Enumerable.Range(0, reps).Select(_ => 1.06 + MathNet.Numerics.Distributions.Normal.Sample(random, 0, TimingError.Seconds(method))).ToList();
                    stops += DropOff.Read(times, 0.999, method)!.SaysStop ? 1 : 0;
                }

                Assert.InRange(stops / 4000.0, 0.035, 0.065);
            }
        }

        // A watch cannot tell 6% of a flying ten; gates can.
        Assert.False(DropOff.Read([1.06, 1.13], 0.95, TimingMethod.Hand)!.SaysStop);
        Assert.Contains("a watch", DropOff.Read([1.06, 1.13], 0.95, TimingMethod.Hand)!.Advice);
        Assert.True(DropOff.Read([1.06, 1.13], 0.95)!.SaysStop);
        Assert.Equal(1.645 * Math.Sqrt(2) * 0.01, DropOff.MarginSeconds(2, TimingMethod.Electronic), 4);
        Assert.Equal((DropOff.MarginSeconds(20, TimingMethod.Hand), DropOff.MarginSeconds(2, TimingMethod.Hand)), (DropOff.MarginSeconds(500, TimingMethod.Hand), DropOff.MarginSeconds(0, TimingMethod.Hand)));

        // P(last - best of the others > c) = 5%, integrated here by the trapezium rule.
        for (var reps = 2; reps <= 20; reps++)
        {
            var margin = DropOff.MarginSeconds(reps, TimingMethod.Electronic) / 0.01;
            var chance = Enumerable.Range(-8000, 16001).Select(i => i / 1000.0)
                .Sum(x => MathNet.Numerics.Distributions.Normal.PDF(0, 1, x) * (1 - Math.Pow(1 - MathNet.Numerics.Distributions.Normal.CDF(0, 1, x - margin), reps - 1))) / 1000;
            Assert.Equal(0.05, chance, 4);
        }
    }

    [Theory]
    [InlineData(1.000, 1.0527, "95.0%: close to the line, one more at most", false)]
    [InlineData(1.000, 1.0533, "Stop here: 94.9%, under the 95% line", true)]
    [InlineData(1.000, 1.0416, "96.0%, 1.0 above the line", false)]
    [InlineData(1.000, 1.0418, "96.0%: close to the line, one more at most", false)]
    [InlineData(0.300, 0.3170, "94.6%, within what the gates can tell apart: run it again to know", false)]
    public void The_stop_line_is_read_off_the_figure_shown(double best, double last, string advice, bool stop)
    {
        var reading = DropOff.Read([best, last])!;
        Assert.Equal((advice, stop, 0.95), (reading.Advice, reading.SaysStop, reading.StopShare));
    }

    [Fact]
    public void The_seasons_best_counts_as_one_more_rep()
    {
        // Two reps and the season's best are three: 2.71 errors of 10 ms.
        Assert.False(DropOff.Read([1.0, 1.027], 0.99, seasonBest: 1.0)!.SaysStop);
        Assert.True(DropOff.Read([1.0, 1.0272], 0.99, seasonBest: 1.0)!.SaysStop);
        Assert.True(DropOff.Read([1.0, 1.0234], 0.99)!.SaysStop);
        Assert.False(DropOff.Read([1.0, 1.0232], 0.99)!.SaysStop);

        // A day better than the season is judged against itself.
        Assert.Equal(0.97 / 1.0, DropOff.Read([0.97, 1.0], seasonBest: 0.98)!.Share, 9);
        Assert.Throws<ArgumentOutOfRangeException>(() => RepeatSprint.Shares(0, 3, 60));
    }

    [Theory]
    [InlineData("4 x 20 m rest walk-back", 14.29, "walk back")]
    [InlineData("squat 2 x 3 rest walk-back", 14.29, "walk back")]
    [InlineData("4 x 20 m rest 1:30/10m", 180, "1:30 for each 10 m")]
    [InlineData("4 x 20 build + 10 fly + 20 slow rest 1:00/10m", 180, "for each 10 m")]
    [InlineData("squat 2 x 3 rest 1:00/10m", 60, "for each 10 m")]
    [InlineData("4 x 20 m rest 0:50", 50, "as written")]
    [InlineData("4 x 20 m @70%", 120, "under 90%")]
    [InlineData("bike intervals 6 x 15 s @70%", 15, "as long as the work")]
    [InlineData("bike intervals 6 x 15 s @69%", 0, "a breath")]
    [InlineData("3 x 30 m @95,90,100%", 180, "for each 10 m")]
    public void Rest_is_taken_as_written_and_else_by_the_rule(string text, double seconds, string reason)
    {
        var rest = RestRules.Between(LineDemand.Of(ShorthandLine.Read(text).Line!, ExerciseCatalogue.BuiltIn), CoachingSchool.Usual);
        Assert.Equal(seconds, rest.Seconds, 2);
        Assert.Contains(reason, rest.Reason);
    }

    [Fact]
    public void A_symmetric_athlete_is_called_different_in_at_most_one_case_in_twenty()
    {
        var random = new Random(4);
        foreach (var (reps, scatter) in new[] { (2, 0.0), (2, 0.02), (3, 0.01), (5, 0.03), (8, 0.0) })
        {
            var called = 0;
            for (var i = 0; i < 3000; i++)
            {
                double Time() => 2.0 + MathNet.Numerics.Distributions.Normal.Sample(random, 0, Math.Sqrt((scatter * scatter) + (0.01 * 0.01)));
                called += SideGap.Of([.. Enumerable.Range(0, reps).Select(_ => Time())], [.. Enumerable.Range(0, reps).Select(_ => Time())], TimingMethod.Electronic)!.IsBeyondError ? 1 : 0;
            }

            Assert.InRange(called / 3000.0, 0, 0.06);
        }
    }
}
