using InchBurst.Core.Catalogue;
using InchBurst.Core.Check;
using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.Log;
using InchBurst.Core.Make;
using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Units;

namespace InchBurst.Core.Tests;

/// <summary>What was written in yards or feet is told in yards or feet, from the words while typing to bests and findings.</summary>
public class UnitsOfLinesTests
{
    private static PlanLine Line(string text) => ShorthandLine.Read(text).Line ?? throw new ArgumentException(text);

    private static CheckContext Context(string text, double straight = 60, double runOut = 20)
    {
        var plan = SessionPlan.Empty.Add(Line(text));
        var setting = new ClockSetting(2, 2, DemandAthlete.UsualCurve, ExerciseCatalogue.BuiltIn);
        return new(plan, SessionClock.Lay(plan, setting), 3600, straight, runOut, [], ExerciseCatalogue.BuiltIn) { Setting = setting, Athletes = [new("Ada", new(9.5, 1.8), false), new("Ben", new(8, 1.1), false)] };
    }

    private static Finding Only(IPlanCheck check, CheckContext context) => Assert.Single(check.Look(context));

    [Fact]
    public void Findings_and_their_mends_keep_the_unit_of_the_line()
    {
        var build = Only(new BuildLongEnough(), Context("3 x 15 build + 10 fly + 20 yd slow"));
        Assert.Equal("Only 15 yd of build before the fly", build.Said);
        Assert.Equal("Build 25 yd", build.Fixes[0].Label);
        Assert.Equal("3 x 25 build + 10 fly + 20 yd slow", ShorthandPrinter.Print(build.Fixes[0].Plan.Lines.Single()));

        var room = Only(new RoomToRun(), Context("3 x 80 yd"));
        Assert.Equal("80 yd of sprint on a 65.6 yd straight", room.Said);
        var stop = Only(new RoomToRun(), Context("3 x 40 yd", 40, 5));
        Assert.Equal("No room to stop after 40 yd", stop.Said);
        Assert.Contains("straight and run-out give 49.2 yd", stop.Why, StringComparison.Ordinal);

        var through = Only(new RunThroughTheLine(), Context("4 x 10 yd gates 5,10 yd"));
        Assert.Equal(("10 yd timed with no run-through", "Cone 5 yd past the line"), (through.Said, through.Fixes[0].Label));
        Assert.EndsWith("through 5 yd", ShorthandPrinter.Print(through.Fixes[0].Plan.Lines.Single()), StringComparison.Ordinal);
        Assert.Equal("Cone 15 ft past the line", Only(new RunThroughTheLine(), Context("4 x 60 ft gates 60 ft")).Fixes[0].Label);

        var reach = Only(new WhoReachesTopSpeed(), Context("3 x 20 build + 10 fly + 20 yd slow"));
        Assert.StartsWith("This 30 yd gives", reach.Said, StringComparison.Ordinal);
        Assert.Matches("^Make the run-up (5|10|15|20|25|30) yd longer$", reach.Fixes[0].Label);
        Assert.Matches(@"^3 x (25|30|35|40|45|50) build \+ 10 fly \+ 20 yd slow$", ShorthandPrinter.Print(reach.Fixes[0].Plan.Lines.Single()));
    }

    [Fact]
    public void In_metres_they_are_as_they_were()
    {
        Assert.Equal(("Only 15 m of build before the fly", "Build 20 m"), Only(new BuildLongEnough(), Context("3 x 15 build + 10 fly + 20 m slow")) is var b ? (b.Said, b.Fixes[0].Label) : default);
        Assert.Equal("Cone 5 m past the line", Only(new RunThroughTheLine(), Context("4 x 10 m gates 5,10 m")).Fixes[0].Label);
        Assert.Equal("80 m of sprint on a 60 m straight", Only(new RoomToRun(), Context("3 x 80 m")).Said);
    }

    [Theory]
    [InlineData("3 x fly 10 yd", "3 x 20 build + 10 fly + 20 yd slow")]
    [InlineData("2 x 60 ft gates 30,60 ft", "2 x 60 ft gates 30,60 ft")]
    [InlineData("build ups 3 x 40 yd", "build-up 3 x 40 yd")]
    public void A_zone_is_named_in_its_unit_and_never_by_a_broken_number(string typed, string printed)
    {
        var line = Line(typed);
        Assert.Equal(printed, ShorthandPrinter.Print(line));
        var words = string.Join(' ', LineWords.Of(LineDemand.Of(line, ExerciseCatalogue.BuiltIn)));
        Assert.DoesNotContain(" m", words.Replace(" min", "", StringComparison.Ordinal), StringComparison.Ordinal);
        Assert.DoesNotContain("9.1", words + ShorthandPrinter.Dose(line), StringComparison.Ordinal);
        Assert.All(LineSketch.Of(line).Pieces, p => Assert.EndsWith(line.Unit == DistanceUnit.Yard ? " yd" : " ft", p.Label, StringComparison.Ordinal));
        Assert.All(LineMarks.Expected(LineDemand.Of(line, ExerciseCatalogue.BuiltIn)), m => Assert.Equal(line.Unit, m.Unit));
    }

    [Fact]
    public void A_run_in_yards_has_its_splits_and_its_headline_in_yards()
    {
        var run = new LoggedRun { Day = new(2026, 11, 27), Kind = WorkKind.MaxVelocity, Trigger = StartTrigger.FirstMove, Marks = [new(new(20, DistanceUnit.Yard), 3.0), new(new(30, DistanceUnit.Yard), 4.01), new(new(40, DistanceUnit.Yard), 5.03)] };
        Assert.Equal(["0–20 yd", "20–30 yd", "30–40 yd"], run.Segments.Select(run.Says));
        Assert.All(LiveEntry.Splits(run, SpeedReading.MetresPerSecond), s => Assert.Contains(" yd  ", s, StringComparison.Ordinal));
        Assert.Equal("40 yd", RunMeaning.Against(run, null).Label);
        Assert.Equal("fly 10 yd", RunMeaning.Against(run with { Trigger = StartTrigger.ZoneLine, Marks = [new(new(20, DistanceUnit.Yard), 0), new(new(30, DistanceUnit.Yard), 1.01)] }, null).Label);
        Assert.Equal("20–30 m", (run with { Marks = [new(Distance.InMetres(20), 3.0), new(Distance.InMetres(30), 4.01)] }) is var m ? m.Says(m.Segments[^1]) : "");
    }
}
