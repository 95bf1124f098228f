using CsCheck;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Check;
using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Make;
using InchBurst.Core.Plan;
using InchBurst.Core.Rest;
using InchBurst.Core.School;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Sprint;

namespace InchBurst.Core.Tests;

/// <summary>Each rule has a plan that triggers it, one just inside that does not, and a fix that makes it go away.</summary>
public class CheckTests
{
    private const string Warm = "raise 6 min; mobilise 5 min; build-up 3 x 20 m @75,85,90% rest walk-back; ";
    private static readonly CoachingSchool Short = CoachingSchool.BuiltIn[2];

    private static SessionPlan Plan(string lines) => lines.Split(';', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries).Aggregate(SessionPlan.Empty, (p, l) =>
        p.Add(ShorthandLine.Read(l).Line ?? throw new ArgumentException(l + ": " + ShorthandLine.Read(l).Problem!.Message), ExerciseCatalogue.BuiltIn.Find(ShorthandLine.Read(l).Line!.Exercise)?.Family));

    private static CheckContext Context(SessionPlan plan, CoachingSchool? school = null, double window = 90, double straight = 60, double runOut = 20, int athletes = 1, int lanes = 1)
    {
        var setting = new ClockSetting(athletes, lanes, DemandAthlete.UsualCurve, ExerciseCatalogue.BuiltIn, School: school ?? Short);
        return new(plan, SessionClock.Lay(plan, setting), window * 60, straight, runOut, [], ExerciseCatalogue.BuiltIn) { School = school ?? Short, Setting = setting };
    }

    private static IReadOnlyList<Finding> Find(CheckContext context, string rule) => [.. PlanChecks.Judge(context).Where(f => f.Rule == rule)];

    [Theory]
    [InlineData("warm-up", "Stop", "4 x 20 m", "raise 10 min; 4 x 20 m")]
    [InlineData("warm-up", "Mind", "raise 9 min; 4 x 20 m", "raise 10 min; 4 x 20 m")]
    [InlineData("warm-up", "Stop", "4 x 20 m; raise 20 min", "4 x 20 m @80%; raise 20 min")]
    [InlineData("order", "Mind", "mobilise 10 min; 4 x 20 m; raise 5 min", "raise 5 min; mobilise 10 min; 4 x 20 m")]
    [InlineData("holds", "Mind", "raise 10 min; hamstring stretch 2 x 30 s; 4 x 20 m", "raise 10 min; 4 x 20 m; hamstring stretch 2 x 30 s")]
    [InlineData("build-ups", "Mind", "raise 10 min; 4 x 20 m", Warm + "4 x 20 m")]
    [InlineData("rest", "Mind", Warm + "4 x 20 m rest 1:10", Warm + "4 x 20 m rest 1:20")]
    [InlineData("fresh", "Mind", Warm + "3 x 20 up + 20 back rest 0:20; 3 x 20 build + 10 fly + 20 slow", Warm + "3 x 20 build + 10 fly + 20 slow; 3 x 20 up + 20 back rest 0:20")]
    [InlineData("fresh", "Mind", Warm + "2 x 15 m sled -40%v; 3 x 20 build + 10 fly + 20 slow", Warm + "2 x 15 m sled -10%v; 3 x 20 build + 10 fly + 20 slow")]
    [InlineData("fresh", "Mind", Warm + "broad jump 7 x 3; 3 x 20 build + 10 fly + 20 slow", Warm + "broad jump 6 x 3; 3 x 20 build + 10 fly + 20 slow")]
    [InlineData("volume", "Mind", Warm + "7 x 30 m", Warm + "6 x 30 m")]
    [InlineData("volume", "Mind", Warm + "5 x 20 build + 10 fly + 20 slow", Warm + "4 x 20 build + 10 fly + 20 slow")]
    [InlineData("runs", "Mind", Warm + "5 x 15 build + 8 fly + 20 slow", Warm + "4 x 15 build + 8 fly + 20 slow")]
    [InlineData("contacts", "Mind", Warm + "4 x 20 m; pogos 7 x 10", Warm + "4 x 20 m; pogos 6 x 10")]
    [InlineData("build", "Mind", Warm + "2 x 15 build + 10 fly + 20 slow", Warm + "2 x 20 build + 10 fly + 20 slow")]
    [InlineData("load", "Mind", Warm + "2 x 20 build + 10 fly sled -12%v", Warm + "2 x 20 build + 10 fly sled -10%v")]
    [InlineData("load", "Mind", Warm + "2 x 15 m sled -40%v", Warm + "2 x 15 m sled -30%v")]
    [InlineData("howheavy", "Note", Warm + "2 x 15 m sled light", Warm + "2 x 15 m sled -8%v")]
    [InlineData("howheavy", "Note", Warm + "2 x 15 m sled", Warm + "2 x 15 m")]
    [InlineData("howheavy", "Note", Warm + "2 x 15 m sled as heavy as still moves", Warm + "2 x 15 m sled keep movement")]
    [InlineData("ceiling", "Stop", Warm + "2 x 20 build + 10 fly tow +6%v", Warm + "2 x 20 build + 10 fly tow +5%v")]
    [InlineData("through", "Note", Warm + "4 x 10 m", Warm + "4 x 10 m through 5 m")]
    [InlineData("contact", "Note", Warm + "3 x 20 build + 10 fly + 20 slow; broad jump 3 x 3", Warm + "3 x 20 build + 10 fly + 20 slow; pogos 2 x 10")]
    [InlineData("contact", "Note", Warm + "4 x 20 m; pogos 2 x 10", Warm + "4 x 20 m; broad jump 3 x 3")]
    [InlineData("slow down", "Note", Warm + "4 x 20 m", Warm + "4 x 20 m; stick the stop 2 x 15 m")]
    [InlineData("cool-down", "Note", Warm + "4 x 20 m; cool-down 2 min", Warm + "4 x 20 m; cool-down 3 min")]
    public void A_rule_finds_its_fault_and_its_fix_mends_it(string rule, string severity, string faulty, string sound)
    {
        var found = Find(Context(Plan(faulty)), rule);
        Assert.NotEmpty(found);
        Assert.Equal(severity, found[0].Severity.ToString());
        Assert.EndsWith(".", found[0].Why);
        Assert.Empty(Find(Context(Plan(sound)), rule));
        var fix = Assert.Single(found[0].Fixes);
        var left = Find(Context(fix.Plan), rule);
        Assert.True(left.Count < found.Count, $"{fix.Label}: {string.Join(", ", left.Select(f => f.Said))}");
        Assert.NotEmpty(fix.Label);
    }

    [Theory]
    [InlineData("40 m", 30, 20, "Stop")]
    [InlineData("40 m", 40, 15, "Stop")]
    [InlineData("40 m", 40, 20, null)]
    [InlineData("20 build + 10 fly + 20 slow", 40, 10, null)]
    [InlineData("20 build + 10 fly + 20 slow", 40, 9, "Stop")]
    [InlineData("10 m", 15, 5, null)]
    public void A_run_needs_room_to_stop(string line, double straight, double runOut, string? severity) =>
        Assert.Equal(severity, Find(Context(Plan(line), straight: straight, runOut: runOut), "room").FirstOrDefault()?.Severity.ToString());

    [Fact]
    public void An_overrun_gets_ranked_offers_and_each_that_fits_mends_it()
    {
        var plan = Plan(Warm + "pogos 2 x 10; 5 x 20 build + 10 fly + 20 slow rest 3:00; cool-down 5 min");
        var context = Context(plan, window: 40, athletes: 20);
        var found = Assert.Single(Find(context, "window"));
        Assert.Equal(Severity.Stop, found.Severity);
        Assert.Contains("20 athletes on 1 lane", found.Why);
        Assert.True(found.Fixes.Count >= 2);
        Assert.Contains(found.Fixes, f => f.Lanes == 2);
        var mended = 0;
        foreach (var fix in found.Fixes)
        {
            var after = Context(fix.Plan, window: 40, athletes: 20, lanes: fix.Lanes ?? 1);
            Assert.Equal(fix.EndSeconds!.Value, after.Timeline.TotalSeconds, 3);
            Assert.True(after.Timeline.TotalSeconds < context.Timeline.TotalSeconds);
            mended += Find(after, "window").Count == 0 ? 1 : 0;
            // Rest is never cut.
            Assert.Equal(plan.Lines.Select(l => l.Rest), fix.Plan.Lines.OrderBy(l => l.Id).Select(l => l.Rest).Take(plan.Lines.Count()));
        }

        Assert.True(mended >= 1);
        Assert.Empty(FitOffers.For(plan, context.Setting!, 7200));
        Assert.Empty(Find(Context(Plan("raise 10 min"), window: 10), "window"));
    }

    // The same kilograms: a tenth off the speed of the heavy, half as much again off the light.
    [Fact]
    public void A_load_in_kilograms_is_judged_by_what_it_means_for_each_athlete()
    {
        var (light, heavy) = (new CheckedAthlete("Light", new SprintCurve(8, 1.15), false, 20, 50), new CheckedAthlete("Heavy", new SprintCurve(8, 1.15), false, 20, 90));
        CheckedAthlete On(CheckedAthlete a) => a with { Loads = new(a.Curve, a.MassKilograms!.Value, Load.Friction.Of(Units.Surface.Unsaid)) };
        var plan = Plan(Warm + "2 x 20 build + 10 fly sled 10 kg");
        Assert.Empty(Find(Context(plan), "load"));
        Assert.Empty(Find(Context(plan) with { Athletes = [On(heavy)] }, "load"));
        var found = Assert.Single(Find(Context(plan) with { Athletes = [On(heavy), On(light)] }, "load"));
        Assert.Equal("Light: 12% slower, over the 10% of the top-speed bracket", found.Said);
        Assert.Empty(Find(Context(found.Fixes[0].Plan) with { Athletes = [On(heavy), On(light)] }, "load"));
        Assert.StartsWith("Light and 1 more: ", Assert.Single(Find(Context(plan) with { Athletes = [On(light), On(light with { Name = "Other" })] }, "load")).Said);
        Assert.EndsWith("over the 30% of this school", Assert.Single(Find(Context(Plan(Warm + "2 x 15 m sled 30 kg")) with { Athletes = [On(light)] }, "load")).Said);
    }

    [Fact]
    public void People_are_seen_the_restricted_the_young_and_those_who_do_not_reach_top_speed()
    {
        var plan = Plan(Warm + "3 x 20 build + 10 fly + 20 slow");
        var tight = Context(plan) with { Restrictions = [new("Someone", false, "tight calf")] };
        Assert.Contains("tight calf", Assert.Single(Find(tight, "restriction")).Why);
        Assert.Empty(Find(Context(Plan("4 x 20 m @79%")) with { Restrictions = [new("Someone", false, "")] }, "restriction"));

        var quick = new CheckedAthlete("Quick", new SprintCurve(8, 0.9), false);
        var slow = new CheckedAthlete("Slow", new SprintCurve(8.5, 1.9), true);
        var school = CoachingSchool.Usual;
        var some = Assert.Single(Find(Context(plan, school) with { Athletes = [quick, slow] }, "reaches"));
        Assert.Equal("This 30 m gives top-speed work to 1 of 2", some.Said);
        Assert.Contains("1 without a curve", some.Why);
        Assert.Equal(Severity.Mind, Assert.Single(Find(Context(plan, school) with { Athletes = [slow] }, "reaches")).Severity);
        Assert.Empty(Find(Context(plan, school) with { Athletes = [quick] }, "reaches"));
        Assert.Empty(Find(Context(Assert.Single(some.Fixes).Plan, school) with { Athletes = [quick, slow] }, "reaches"));

        var child = new CheckedAthlete("Child", DemandAthlete.UsualCurve, true, 12);
        var heavy = Context(Plan(Warm + "2 x 15 m sled 30%bm")) with { Athletes = [child] };
        var found = Assert.Single(Find(heavy, "young"));
        Assert.Equal(Severity.Stop, found.Severity);
        Assert.Empty(Find(Context(found.Fixes[0].Plan) with { Athletes = [child] }, "young"));
        Assert.Empty(Find(heavy with { Athletes = [child with { Age = 16 }] }, "young"));
    }

    [Fact]
    public void Cues_are_one_at_a_time_and_rotate()
    {
        var two = Context(Plan(Warm + "4 x 20 m cue \"drive\"")) with { Cue = "tall hips" };
        var found = Assert.Single(Find(two, "cues"));
        Assert.Empty(Find(Context(found.Fixes[0].Plan) with { Cue = "tall hips" }, "cues"));
        Assert.NotEmpty(Find(Context(Plan("4 x 20 m")) with { Cue = "drive", EarlierCues = ["drive", "Drive", "drive"] }, "same cue"));
        Assert.Empty(Find(Context(Plan("4 x 20 m")) with { Cue = "drive", EarlierCues = ["drive", "rise", "drive"] }, "same cue"));
    }

    [Fact]
    public void Loads_carry_their_cautions_and_the_gravest_come_first()
    {
        var found = PlanChecks.Judge(Context(Plan("4 x 20 m sled 10 kg; 3 x 20 build + 10 fly tow +5%v")));
        Assert.Contains(found, f => f.Rule == "lane");
        Assert.Contains(found, f => f.Rule == "bands");
        Assert.Contains(found, f => f.Rule == "assisted");
        Assert.Equal(found.Select(f => f.Severity).Order(), found.Select(f => f.Severity));
        Assert.Equal(Severity.Stop, Find(Context(Plan("3 x 20 build + 10 fly tow +5%v")) with { Restrictions = [new("Sore", false, "hamstring")] }, "assisted")[0].Severity);
    }

    [Fact]
    public void Changing_the_school_judges_anew()
    {
        var plan = Plan(Warm + "4 x 20 m rest 1:20; 2 x 15 m sled -40%v");
        Assert.Empty(Find(Context(plan, Short), "rest"));
        Assert.NotEmpty(Find(Context(plan, CoachingSchool.BuiltIn[0]), "rest"));
        Assert.NotEmpty(Find(Context(plan, CoachingSchool.BuiltIn[0]), "load"));
        Assert.Empty(Find(Context(plan, CoachingSchool.BuiltIn[1]), "load"));
    }

    [Fact]
    public void Every_school_gives_every_number_within_its_bounds_with_a_reason()
    {
        foreach (var school in CoachingSchool.BuiltIn)
        {
            foreach (var number in CoachingSchool.Numbers)
            {
                Assert.InRange(school[number.Key], number.Least, number.Most);
                Assert.EndsWith(".", school.Of(number.Key).Reason);
            }

            Assert.Equal(school.ToJson(), CoachingSchool.FromJson(school.ToJson()).ToJson());
        }
    }

    // Balsom et al. 1992, 15 x 40 m: first 15 m 2.58 s rose to 2.78 s with 30 s of rest and did not slow with 60 or 120 s. Own model.
    [Theory]
    [InlineData(30, 2.78, 0.006)]
    [InlineData(60, 2.63, 0.006)]
    [InlineData(120, 2.585, 0.003)]
    public void The_repeat_sprint_estimate_lands_on_the_published_trial(double rest, double expected, double within)
    {
        var shares = RepeatSprint.Shares(15, 5.6, rest);
        Assert.InRange(2.58 / shares[14], expected - within, expected + within);
        Assert.Equal(1, shares[0]);
        Assert.All(shares.Zip(shares.Skip(1)), p => Assert.True(p.Second <= p.First + 1e-12));
    }

    [Fact]
    public void The_group_flow_agrees_with_a_plain_second_reckoning() =>
        Gen.Select(Gen.Int[1, 9], Gen.Int[1, 3], Gen.Int[1, 4], Gen.Int[2, 12], Gen.Int[0, 40], Gen.Int[0, 6]).Sample((n, lanes, reps, clear, rest, interval) =>
        {
            var flow = GroupFlow.Simulate(new(n, lanes, 1, reps, clear, rest, rest, interval));

            // Second by second: the next in order goes as soon as a lane is empty, the athlete rested and the starter free.
            var laneUntil = new int[lanes];
            var clearedAt = Enumerable.Repeat(-10000, n).ToArray();
            int starter = 0, next = 0, end = 0;
            for (var t = 0; next < n * reps; t++)
            {
                while (next < n * reps)
                {
                    var who = next % n;
                    var lane = Array.FindIndex(laneUntil, u => u <= t);
                    if (lane < 0 || t < starter || (clearedAt[who] > -10000 && t < clearedAt[who] + rest))
                    {
                        break;
                    }

                    laneUntil[lane] = t + clear;
                    clearedAt[who] = t + clear;
                    starter = t + interval;
                    end = Math.Max(end, t + clear);
                    next++;
                }
            }

            Assert.Equal(end, flow.FinishSeconds, 6);
        }, iter: 2000);
}
