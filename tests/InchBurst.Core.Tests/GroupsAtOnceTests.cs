using InchBurst.Core.Catalogue;
using InchBurst.Core.Check;
using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.Log;
using InchBurst.Core.Make;
using InchBurst.Core.Plan;
using InchBurst.Core.School;
using InchBurst.Core.Shorthand;

namespace InchBurst.Core.Tests;

/// <summary>Lines for different people beside each other are done at the same time.</summary>
public class GroupsAtOnceTests
{
    private static SessionPlan Plan(string text) => PlanText.Read(text, ShorthandContext.Metric) is { Problems.Count: 0 } read ? read.Plan : throw new ArgumentException(text);

    private static string Turns(string text) => string.Join(" | ", Plan(text).Blocks.SelectMany(b => b.AtOnce()).Select(t => string.Join(" + ", t.Select(l => ShorthandPrinter.ShapeText(l.Shape)))));

    [Theory]
    [InlineData("10 m for high minutes\n20 m for low minutes\n30 m", "10 m + 20 m | 30 m")]
    [InlineData("10 m for high minutes\n20 m for others", "10 m + 20 m")]
    [InlineData("10 m for Ada\n20 m for Ben\n30 m for Cem", "10 m + 20 m + 30 m")]
    [InlineData("10 m for Ada\n20 m for others\n30 m for Ben", "10 m + 20 m | 30 m")]
    [InlineData("10 m for Ada\n20 m for Ben\n30 m for others", "10 m + 20 m | 30 m")]
    [InlineData("10 m for Ada, Ben\n20 m for ben, Cem", "10 m | 20 m")]
    [InlineData("10 m\n20 m for Ada", "10 m | 20 m")]
    [InlineData("10 m for Ada\n20 m", "10 m | 20 m")]
    [InlineData("10 m for Ada\n20 m\n30 m for Ben", "10 m | 20 m | 30 m")]
    [InlineData("Both, stations:\n10 m for Ada\n20 m for Ben", "10 m | 20 m")]
    public void Neighbours_for_different_people_go_together(string text, string turns) => Assert.Equal(turns, Turns(text));

    [Fact]
    public void Whoever_is_in_a_group_and_named_besides_does_both_lines_one_after_the_other()
    {
        var plan = Plan("10 m for high minutes\n20 m for Ada");
        var people = new SquadMember[] { new("Ada Okafor", ["high minutes"]), new("Ben Sato", []) };
        var apart = (PlanLine a, PlanLine b) => !people.Any(p => plan.Covers(a, p.Name, p.Groups) && plan.Covers(b, p.Name, p.Groups));
        Assert.Equal(2, plan.Blocks.Single().AtOnce(apart).Count);
        people[0] = new("Ada Okafor", ["low minutes"]);
        Assert.Single(plan.Blocks.Single().AtOnce(apart));
    }

    [Theory]
    [InlineData("keepers", "Ada Okafor", "keepers", true)]
    [InlineData("Keepers", "Ada Okafor", "keepers", true)]
    [InlineData("ada", "Ada Okafor", "", true)]
    [InlineData("Ada Okafor", "ada okafor", "", true)]
    [InlineData("Ad", "Ada Okafor", "", false)]
    [InlineData("Okafor", "Ada Okafor", "", false)]
    [InlineData("high minutes", "Ada Okafor", "low minutes", false)]
    public void A_line_is_for_names_first_names_and_groups(string word, string name, string group, bool answers)
    {
        var plan = Plan($"10 m for \"{word}\"\n20 m for others");
        var lines = plan.Lines.ToList();
        IReadOnlyCollection<string> groups = group.Length > 0 ? [group] : [];
        Assert.Equal(answers, plan.Covers(lines[0], name, groups));
        Assert.Equal(!answers, plan.Covers(lines[1], name, groups));
        Assert.Equal(answers ? [] : new[] { word }, lines[0].Unanswered([new(name, groups)]), StringComparer.OrdinalIgnoreCase);
        Assert.Empty(lines[1].Unanswered([new(name, groups)]));
    }

    [Fact]
    public void A_line_for_several_is_for_each_of_them_and_a_side_follows_the_turn()
    {
        var plan = Plan("10 m for Ada, Ben");
        Assert.True(plan.Covers(plan.Lines.Single(), "Ben Sato"));
        Assert.False(plan.Covers(plan.Lines.Single(), "Cem Arslan"));
        var both = ShorthandLine.Read("2 x 10 m each side").Line!;
        Assert.Equal([Side.Left, Side.Right, Side.Left, Side.Right], Enumerable.Range(1, 4).Select(t => both.SideOfTurn(t)));
        Assert.Equal(Side.Right, ShorthandLine.Read("2 x 10 m from half-kneeling right").Line!.SideOfTurn(1));
        Assert.Null(ShorthandLine.Read("2 x 10 m").Line!.SideOfTurn(1));
    }

    private static ClockSetting Setting(int lanes, params int[] each)
    {
        var left = new Queue<int>(each);
        var known = new Dictionary<int, int>();
        return new(each.Sum(), lanes, DemandAthlete.UsualCurve, ExerciseCatalogue.BuiltIn, AthletesFor: l => known.TryGetValue(l.Id, out var n) ? n : known[l.Id] = left.Dequeue());
    }

    [Fact]
    public void The_clock_runs_them_side_by_side_on_their_share_of_the_lanes_and_goes_on_when_the_slower_is_done()
    {
        var plan = Plan("3 x 10 m for high minutes rest 1:00\n4 x 20 m for low minutes rest 2:00\n5 min easy");
        var timeline = SessionClock.Lay(plan, Setting(2, 3, 4, 7));
        var (first, second, last) = (timeline.Items[0], timeline.Items[1], timeline.Items[2]);
        Assert.Equal((0, 0), (first.StartSeconds, second.StartSeconds));
        Assert.True(first.EndSeconds < second.EndSeconds);
        Assert.Equal(second.EndSeconds, last.StartSeconds);

        // Each as long as on one lane alone.
        Assert.Equal(SessionClock.Lay(Plan("3 x 10 m rest 1:00"), Setting(1, 3)).TotalSeconds, first.Seconds, 6);
        Assert.Equal(SessionClock.Lay(Plan("4 x 20 m rest 2:00"), Setting(1, 4)).TotalSeconds, second.Seconds, 6);
        Assert.Equal([first, second], timeline.Beside(second));
        Assert.Equal([last], timeline.Beside(last));
        Assert.Equal(second.EndSeconds, SessionTimeline.Spanned([first, second]), 6);
        Assert.Equal(timeline.TotalSeconds, SessionTimeline.Spanned(timeline.Items), 6);
    }

    [Fact]
    public void One_lane_carries_the_goes_of_both()
    {
        var plan = Plan("6 x 20 m for high minutes rest 0:10\n6 x 20 m for low minutes rest 0:10\n5 min easy");
        var timeline = SessionClock.Lay(plan, Setting(1, 4, 4, 8));
        var goes = timeline.Items.Take(2).Sum(i => i.Bars.Sum(b => b.EndSeconds - b.StartSeconds + ClockSetting.UsualChangeoverSeconds));
        Assert.Equal(goes, timeline.Items[2].StartSeconds, 6);
        Assert.True(goes > timeline.Items[0].EndSeconds);

        // What is done on the spot takes no lane.
        var still = SessionClock.Lay(Plan("6 x 20 m for high minutes rest 0:10\n\"front plank\" 3 x 30 s for low minutes"), Setting(1, 4, 4));
        Assert.Equal(still.Items.Max(i => i.EndSeconds), still.TotalSeconds, 6);
    }

    [Fact]
    public void One_athlete_does_one_of_them_and_the_longer_one_stands_for_it()
    {
        var plan = Plan("Both, 2 rounds:\n3 x 10 m for high minutes\n4 x 20 m for low minutes\n\n2 x 30 m");
        Assert.Equal([(20.0, 2, 160.0), (30.0, 1, 60.0)], plan.ForOne(Setting(2, 4, 4, 8)).Select(l => (((RunShape)l.Line.Shape).Metres, l.Rounds, l.Volume.Metres)));
    }

    [Fact]
    public void Typed_one_after_the_other_they_come_to_stand_in_one_block()
    {
        static PlanLine Line(string text) => ShorthandLine.Read(text).Line!;
        var plan = SessionPlan.Empty.Add(Line("4 x 20 m for high minutes")).Add(Line("2 x 10 m for low minutes"));
        Assert.Equal(2, Assert.Single(plan.Blocks).Lines.Count);
        Assert.Equal(2, plan.Add(Line("3 x 30 m")).Blocks.Count);
        Assert.Equal(2, SessionPlan.Empty.Add(Line("4 x 20 m for Ada")).Add(Line("2 x 10 m for Ada")).Blocks.Count);
        Assert.Equal(2, SessionPlan.Empty.Add(Line("4 x 20 m")).Add(Line("2 x 10 m for Ada")).Blocks.Count);
    }

    private static IReadOnlyList<Finding> Findings(string text, params SquadMember[] squad)
    {
        var plan = Plan(text);
        var setting = new ClockSetting(4, 2, DemandAthlete.UsualCurve, ExerciseCatalogue.BuiltIn);
        return [.. new SomebodyAnswers().Look(new(plan, SessionClock.Lay(plan, setting), 3600, 60, 20, [], ExerciseCatalogue.BuiltIn) { Setting = setting, Squad = squad })];
    }

    [Fact]
    public void A_name_nobody_answers_to_is_said_with_the_nearest_one()
    {
        var squad = new SquadMember[] { new("Amara Diallo", ["high minutes", "keepers"]), new("Ben Sato", []) };
        var finding = Assert.Single(Findings("4 x 20 m for Amra", squad));
        Assert.Equal(("Nobody is called “Amra”, so nobody does this line", Severity.Mind), (finding.Said, finding.Severity));
        Assert.Equal(["Make it for Amara", "Make it for everyone"], finding.Fixes.Select(f => f.Label));
        Assert.Equal(["Amara"], finding.Fixes[0].Plan.Lines.Single().For);
        Assert.Empty(finding.Fixes[1].Plan.Lines.Single().For);

        var one = Assert.Single(Findings("4 x 20 m for Ben, Zuleika", squad));
        Assert.Equal("Nobody is called “Zuleika”", one.Said);
        Assert.Equal(["Ben"], Assert.Single(one.Fixes).Plan.Lines.Single().For);
        Assert.Equal("Nobody has low minutes, so nobody does this line", Assert.Single(Findings("4 x 20 m for low minutes", squad)).Said);
        Assert.Empty(Findings("4 x 20 m for keepers\n2 x 10 m for others\n3 x 10 m for high minutes", squad));
        Assert.Empty(Findings("4 x 20 m for Amra"));
    }

    [Fact]
    public void A_line_is_judged_by_those_it_is_for()
    {
        var plan = Plan("3 x 20 build + 10 fly + 20 m slow for keepers\n3 x 20 build + 10 fly + 20 m slow for Zoe");
        var setting = new ClockSetting(2, 2, DemandAthlete.UsualCurve, ExerciseCatalogue.BuiltIn);
        var context = new CheckContext(plan, SessionClock.Lay(plan, setting), 3600, 60, 20, [], ExerciseCatalogue.BuiltIn)
        {
            Setting = setting,
            Athletes = [new("Ada Okafor", new(9.5, 1.8), false), new("Ben Sato", new(8, 0.9), false)],
            Squad = [new("Ada Okafor", ["keepers"]), new("Ben Sato", [])],
        };
        Assert.Equal(["Ada Okafor"], context.AthletesOf(plan.Lines.First()).Select(a => a.Name));
        Assert.Equal(["Ada Okafor", "Ben Sato"], context.AthletesOf(plan.Lines.Last()).Select(a => a.Name));
        Assert.Equal(["This 30 m gives top-speed work to 0 of 1", "This 30 m gives top-speed work to 1 of 2"], new WhoReachesTopSpeed().Look(context).Select(f => f.Said));
    }

    private static LiveSetting Live(params LiveAthlete[] athletes) => new() { Athletes = athletes, Pace = DemandAthlete.UsualCurve, School = CoachingSchool.Usual, WindowSeconds = 3600 };

    [Fact]
    public void Trackside_both_are_on_the_next_line_comes_after_both_and_the_end_is_that_of_the_slower()
    {
        var plan = Plan("2 x 10 m for keepers rest 1:00 gates 10 m\n4 x 20 m for others rest 2:00 gates 20 m\n5 min easy");
        var ids = plan.Lines.Select(l => l.Id).ToList();
        var setting = Live(new LiveAthlete(1, "Ada Okafor") { OwnGroups = ["keepers"] }, new LiveAthlete(2, "Ben Sato"), new LiveAthlete(3, "Cem Arslan"));
        var began = new DateTime(2026, 3, 2, 17, 0, 0, DateTimeKind.Utc);
        var state = new LiveState { Plan = plan, Day = new(2026, 3, 2), Usual = new(TimingMethod.Electronic, StartTrigger.FirstGate, 0), State = SessionState.Running, Lanes = 2, LineId = ids[0], Round = 1, StartedAt = began, LineFrom = began, People = [.. setting.Athletes.Select((a, i) => new LivePerson(a.Id, a.Name, i) { Present = true })] };
        var sight = LiveSight.Of(state, setting, began);
        Assert.Equal([1], sight.Order.Select(t => t.Person.AthleteId));
        var beside = Assert.Single(sight.Beside);
        Assert.Equal((ids[1], 2, 2), (beside.Place.Line.Id, beside.Next?.AthleteId, beside.Going));
        Assert.Equal(ids[2], sight.After?.Line.Id);
        Assert.Null(sight.Before);
        Assert.Equal(sight.Timeline.TotalSeconds, sight.Forecast!.FinishSeconds, 6);

        // The keeper is through; the others have all theirs to do, and that is what is left.
        var through = state with { Runs = [.. Enumerable.Range(1, 2).Select(rep => Run(ids[0], 1, rep, began))] };
        sight = LiveSight.Of(through, setting, began);
        Assert.Equal(sight.Timeline.TotalSeconds, sight.Forecast!.FinishSeconds, 6);
        sight = LiveSight.Of(through with { LineId = ids[1] }, setting, began);
        Assert.Equal((ids[0], null as int?, 0), (sight.Beside.Single().Place.Line.Id, sight.Beside.Single().Next?.AthleteId, sight.Beside.Single().Going));
        Assert.Equal(ids[2], sight.After?.Line.Id);
        sight = LiveSight.Of(state with { LineId = ids[2] }, setting, began);
        Assert.Equal((ids[1], null as int?, 0), (sight.Before?.Line.Id, sight.After?.Line.Id, sight.Beside.Count));

        // What is left to make room in is what comes after both.
        Assert.Equal([ids[2]], Remaining.After(plan, ids[0]).Lines.Select(l => l.Id));
    }

    private static LiveRun Run(int line, int athlete, int rep, DateTime at) => new()
    {
        Id = Guid.NewGuid(),
        AthleteId = athlete,
        LineId = line,
        Rep = rep,
        FinishedAt = at,
        Outcome = RunOutcome.NotTimed,
        What = new LoggedRun { Day = new(2026, 3, 2), Kind = WorkKind.Acceleration, Marks = [] },
    };
}
