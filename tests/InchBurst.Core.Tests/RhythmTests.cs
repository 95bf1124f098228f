using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.Plan;
using InchBurst.Core.School;
using InchBurst.Core.Shorthand;

namespace InchBurst.Core.Tests;

/// <summary>Lines done together: each set and side, the rests between, and who is called what. All from what a line says; nothing here is measured.</summary>
public class RhythmTests
{
    private static string Steps(string line, int round = 1, int rounds = 1, double? between = null)
    {
        var (plan, _) = (new SessionPlan(SessionPlan.Current, [], 0).Add(new PlanBlock(0, "", [ShorthandLine.Read(line).Line!], rounds, between)), 0);
        var demand = LineDemand.Of(plan.Lines.First(), ExerciseCatalogue.BuiltIn);
        var state = LiveHistory.Fresh with { Plan = plan };
        var turns = LiveOrder.Turns(state, demand, round, new() { Pace = DemandAthlete.UsualCurve, School = CoachingSchool.Usual });
        return string.Join(" | ", LiveRhythm.Of(demand, turns, new(plan.Lines.First(), round, rounds), plan.Blocks[0]).Select(s => $"{s.Kind} {s.Says} {s.Seconds:0}"));
    }

    [Theory]
    [InlineData("side plank 2 x 30 s each side rest 0:45", "Timed 1 of 2, left 30 | Timed 1 of 2, right 30 | Rest Rest 45 | Timed 2 of 2, left 30 | Timed 2 of 2, right 30")]
    [InlineData("front plank 3 x 40 s rest 0:20", "Timed 1 of 3 40 | Rest Rest 20 | Timed 2 of 3 40 | Rest Rest 20 | Timed 3 of 3 40")]
    [InlineData("front plank 2 x 2 x 20 s rest 0:10 / 1:00", "Timed set 1 of 2, 1 of 2 20 | Rest Rest 10 | Timed set 1 of 2, 2 of 2 20 | Rest Rest 60 | Timed set 2 of 2, 1 of 2 20 | Rest Rest 10 | Timed set 2 of 2, 2 of 2 20")]
    [InlineData("front plank 30 s each side", "Timed left 30 | Timed right 30")]
    [InlineData("front plank 1 x 30 s", "")]
    [InlineData("A-skip 2 x 15 m", "")]
    [InlineData("4 x 20 m rest 2:00", "")]
    public void Each_set_and_side_is_a_step_and_the_rests_stand_between(string line, string steps) => Assert.Equal(steps, Steps(line));

    [Fact]
    public void Work_by_count_ends_when_it_is_done()
    {
        var steps = Steps("split squat 2 x 8 each side rest 1:30").Split(" | ");
        Assert.Equal(["Counted 1 of 2: 8 times, left", "Counted 1 of 2: 8 times, right", "Rest Rest", "Counted 2 of 2: 8 times, left", "Counted 2 of 2: 8 times, right"], steps.Select(s => s[..s.LastIndexOf(' ')]));
        Assert.All(steps, s => Assert.True(double.Parse(s[(s.LastIndexOf(' ') + 1)..], System.Globalization.CultureInfo.InvariantCulture) > 0));
    }

    [Fact]
    public void A_round_ends_with_the_rest_before_the_next_one_and_the_last_round_does_not()
    {
        Assert.Equal("Timed  30 | Rest Rest before round 2 60", Steps("front plank 30 s", 1, 3, 60));
        Assert.Equal("Timed  30 | Rest Rest before round 3 60", Steps("front plank 30 s", 2, 3, 60));
        Assert.Equal("Timed  30", Steps("front plank 30 s", 3, 3, 60));
        Assert.Equal("Timed  30", Steps("front plank 30 s", 1, 3));

        // In a superset only the last line ends the round.
        var plan = SessionPlan.Empty.Add(new PlanBlock(0, "", [ShorthandLine.Read("front plank 30 s").Line!, ShorthandLine.Read("front plank 20 s").Line!], 2, 60));
        string Of(int at)
        {
            var demand = LineDemand.Of(plan.Lines.ElementAt(at), ExerciseCatalogue.BuiltIn);
            return string.Join(" | ", LiveRhythm.Of(demand, new(1, 1, 0, 0), new(plan.Lines.ElementAt(at), 1, 2), plan.Blocks[0]).Select(s => $"{s.Kind} {s.Seconds:0}"));
        }

        Assert.Equal(("Timed 30", "Timed 20 | Rest 60"), (Of(0), Of(1)));
    }

    [Theory]
    [InlineData("Noor Haddadin,Noor Kessler,Ines Kvist", "Noor H,Noor K,Ines K")]
    [InlineData("Noor Haddadin,Noor Hakimi", "Noor Had,Noor Hak")]
    [InlineData("Noor,Noor Haddadin", "Noor,Noor H")]
    [InlineData("Noor Haddadin,Noor Haddadin Two", "Noor H,Noor T")]
    [InlineData("Ana Maria de la Cruz", "Ana C")]
    [InlineData("Noor Ha,Noor Hae", "Noor Ha,Noor Hae")]
    public void Where_there_is_little_room_nobody_is_called_like_another(string names, string called)
    {
        var shorts = ShortNames.Of(names.Split(','));
        Assert.Equal(called.Split(','), names.Split(',').Select(n => shorts[n]));
    }

    [Fact]
    public void Whoever_stands_together_every_short_name_is_one_persons()
    {
        string[] first = ["Noor", "Ana", "Bo"], last = ["Haddadin", "Hakimi", "Ha", "Kessler", "K"];
        var all = first.SelectMany(f => last.Select(l => $"{f} {l}")).Concat(first).ToList();
        for (var seed = 0; seed < 200; seed++)
        {
            var some = all.Where((_, i) => ((seed * 7919) >> (i % 13) & 1) == 1).ToList();
            var shorts = ShortNames.Of(some);
            Assert.Equal(some.Count, shorts.Values.Distinct().Count());
            Assert.All(shorts, s => Assert.StartsWith(s.Key.Split(' ')[0], s.Value, StringComparison.Ordinal));
        }
    }

    [Fact]
    public void Chips_of_the_clubs_own_stand_first_where_they_belong_and_what_is_tapped_most_before_the_rest()
    {
        var demand = LineDemand.Of(ShorthandLine.Read("4 x 20 m build + 20 m fly").Line!, ExerciseCatalogue.BuiltIn);
        var own = new Observation("Late left arm", RunPhase.Arms, "Late left arm", ["seated arm swing"]);
        var catalogue = new ExerciseCatalogue(ExerciseCatalogue.BuiltIn.All) { OwnChips = [own, new("Bar low", RunPhase.Bar, "Bar low", [])] };
        var chips = Chips.For(demand, catalogue);
        Assert.Equal("Late left arm", chips[0].Code);
        Assert.DoesNotContain(chips, c => c.Code == "Bar low");
        Assert.Equal(Chips.For(demand).Select(c => c.Code), chips.Skip(1).Select(c => c.Code));

        var used = Chips.For(demand, catalogue, new Dictionary<string, int> { ["arms-across"] = 3, ["heels"] = 5, ["clean"] = 50, ["tight"] = 9 });
        Assert.Equal(["Late left arm", "heels", "arms-across"], used.Where(c => !c.IsGood && c.Phase != RunPhase.Body).Take(3).Select(c => c.Code));
        Assert.Equal(chips.Select((c, i) => (c, i)).Where(x => x.c.IsGood || x.c.Phase == RunPhase.Body).Select(x => (x.c.Code, x.i)), used.Select((c, i) => (c, i)).Where(x => x.c.IsGood || x.c.Phase == RunPhase.Body).Select(x => (x.c.Code, x.i)));

        // Whatever the case, it is the same chip with its drill; other words stand for themselves.
        Assert.Equal(own, catalogue.Seen("LATE LEFT ARM"));
        Assert.Equal("Reached in front", catalogue.Seen("reached").Says);
        Assert.Equal((RunPhase.Own, "flat feet"), (catalogue.Seen("flat feet").Phase, catalogue.Seen("flat feet").Says));
        Assert.Equal("seated arm swing", Assert.Single(Assert.Single(Observations.Most([(1, "late left ARM"), (2, "Late left arm")], catalogue)).Drills).Name);
    }

    [Fact]
    public void What_was_noted_is_counted_on_the_line_and_of_the_athlete()
    {
        var line = LiveHistory.Plan.Lines.First().Id;
        var state = LiveHistory.Fresh;
        foreach (var (athlete, code) in new[] { (1, "reached"), (1, "own words"), (1, "clean"), (2, "clean"), (3, "tight") })
        {
            state = LiveSteps.Apply(state, new RepOutcome(athlete, line, Log.RunOutcome.NotTimed) { Seen = [code], Client = Guid.NewGuid() }, new(LiveHistory.Start.AddMinutes(1), "Odalys", true, ExerciseCatalogue.BuiltIn)).State;
        }

        Assert.Equal([new Noted(2, true), new(0, true), new(1, false), new(0, false)], new[] { 1, 2, 3, 4 }.Select(a => LiveEntry.NotedOn(state, a, line, ExerciseCatalogue.BuiltIn)));
        Assert.Equal(new Noted(0, false), LiveEntry.NotedOn(state, 1, line + 1, ExerciseCatalogue.BuiltIn));
        var athletes = LiveHistory.Fresh.People.Select(p => new LiveAthlete(p.AthleteId, p.Name) { Seen = p.AthleteId == 1 ? new Dictionary<string, int> { ["reached"] = 4, ["sat"] = 1 } : new Dictionary<string, int>() }).ToList();
        var device = LiveDevice.Open(LiveDocument.Of(state, new() { Pace = DemandAthlete.UsualCurve, School = CoachingSchool.Usual, Athletes = athletes }, "Odalys", true).Write());
        Assert.Equal("""{"reached":5,"sat":1,"own words":1,"clean":1}""", device.Seen(1));
        Assert.Equal("{}", device.Seen(99));
        Assert.Equal(4, new LiveSetting { Pace = DemandAthlete.UsualCurve, School = CoachingSchool.Usual, Athletes = athletes }.Used["reached"]);
    }

    [Fact]
    public void A_note_on_a_drill_asks_for_no_rest_and_a_run_without_a_time_does()
    {
        var plan = SessionPlan.Empty.Add(ShorthandLine.Read("A-skip 2 x 15 m").Line!).Add(ShorthandLine.Read("3 x 20 m rest 3:00").Line!).Add(ShorthandLine.Read("countermovement jump 3 x 1 log height").Line!);
        var lines = plan.Lines.ToList();
        var setting = new LiveSetting { Pace = DemandAthlete.UsualCurve, School = CoachingSchool.Usual };
        LiveState After(int line) => LiveSteps.Apply(
            LiveHistory.Fresh with { Plan = plan, LineId = lines[1].Id, Runs = [] },
            new RepOutcome(1, lines[line].Id, Log.RunOutcome.NotTimed) { Seen = ["sat"], Client = Guid.NewGuid() }, new(LiveHistory.Start.AddMinutes(1), "Odalys", true, ExerciseCatalogue.BuiltIn)).State;
        TurnState Of(int line)
        {
            var state = After(line);
            var demand = LineDemand.Of(lines[1], ExerciseCatalogue.BuiltIn);
            return LiveOrder.Of(state, demand, LiveOrder.Turns(state, demand, 1, setting), setting, LiveHistory.Start.AddMinutes(2)).Single(t => t.Person.AthleteId == 1).Turn.State;
        }

        Assert.Equal([TurnState.Ready, TurnState.Resting, TurnState.Resting], new[] { 0, 1, 2 }.Select(Of));
    }

    [Theory]
    [InlineData("tight", "Taken back: Ada Quillfeather. The pain stands until somebody allows full efforts.")]
    [InlineData("sat", "Taken back: Ada Quillfeather")]
    public void A_note_of_pain_that_is_taken_back_leaves_the_pain_and_says_so(string code, string said)
    {
        var world = new LiveWorld(LiveHistory.Start.AddMinutes(1), "Odalys", true, ExerciseCatalogue.BuiltIn);
        var noted = LiveSteps.Apply(LiveHistory.Fresh, new RepOutcome(1, LiveHistory.Plan.Lines.First().Id, Log.RunOutcome.NotTimed) { Seen = [code], Client = Guid.NewGuid() }, world).State;
        noted = noted with { Runs = [.. noted.Runs.Select(r => r with { Number = 5 })] };
        var undone = LiveSteps.Apply(noted, new UndoRun(5), world);
        Assert.Equal(said, undone.Said);
        Assert.Equal(code == "tight", undone.State.Person(1)!.HeldReason is not null);
    }
}
