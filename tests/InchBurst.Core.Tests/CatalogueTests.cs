using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;

namespace InchBurst.Core.Tests;

public class CatalogueTests
{
    private static readonly ExerciseCatalogue Catalogue = ExerciseCatalogue.BuiltIn;

    [Fact]
    public void It_covers_every_kind_of_work_and_holds_at_least_110()
    {
        Assert.True(Catalogue.All.Count >= 110, $"{Catalogue.All.Count}");
        Assert.Empty(WorkKinds.All.Except(Catalogue.All.Select(e => e.Kind)));
        Assert.Empty(new[] { "raise", "activate", "mobilise", "potentiate", "acceleration", "upright running", "build-up", "start", "flying", "short contact", "long contact", "throw", "trunk", "slow down" }.Except(Catalogue.All.Select(e => e.Family)));
    }

    [Fact]
    public void Every_usual_dose_is_shorthand_and_counts_what_the_exercise_counts()
    {
        foreach (var e in Catalogue.All)
        {
            var reading = ShorthandLine.Read($"{e.Name} {e.Dose}");
            Assert.True(reading.Line is not null, $"{e.Name}: {reading.Problem?.Message}");
            var expected = e.Counted switch { CountedIn.Metres => typeof(RunShape), CountedIn.Seconds => typeof(TimedShape), _ => typeof(CountShape) };
            Assert.True(expected == reading.Line.Shape.GetType(), e.Name);
            Assert.Equal(e.Counted == CountedIn.Passes, reading.Line.Shape is CountShape { Passes: true });
            Assert.Equal(e.Kind, reading.Line.Kind);
            Assert.Equal(e.Name, reading.Line.Exercise);
            Assert.True(!e.EachSide || e.Kind == WorkKind.Raise || reading.Line.EachSide, e.Name);
            // The name alone stands for its usual dose.
            Assert.Equal(ShorthandPrinter.Dose(reading.Line), ShorthandPrinter.Dose(ShorthandLine.Read(e.Name).Line!));
        }
    }

    [Fact]
    public void Texts_are_whole_and_every_ladder_ends()
    {
        string[] regions = ["hips", "hamstrings", "adductors", "upper back", "calves", "trunk", "shoulders"];
        foreach (var e in Catalogue.All)
        {
            Assert.EndsWith(".", e.For);
            Assert.NotEmpty(e.Points);
            Assert.InRange(e.Effort, 1, 110);
            Assert.Empty(e.Covers.Except(regions));
            Assert.True(e.Harder is null || Catalogue.Find(e.Harder) is not null, e.Name);
            Assert.Contains(e, Catalogue.Ladder(e));
            Assert.True(Catalogue.Ladder(e).Count < 12, e.Name);
        }

        Assert.Equal(["A-march", "A-switch", "A-skip", "A-run", "overhead A-run"], Catalogue.Ladder(Catalogue.Find("A-skip")!).Select(e => e.Name));
        // Names and other names never stand for two exercises.
        Assert.All(Catalogue.All.SelectMany(e => e.Also.Append(e.Name).Select(n => (Name: n, e))), x => Assert.Equal(x.e.Name, Catalogue.Find(x.Name)!.Name));
    }

    [Theory]
    [InlineData("POGO", "pogo hops")]
    [InlineData("a skip", "A-skip")]
    [InlineData("A-skips", "A-skip")]
    [InlineData("wicket run", "mini-hurdle run")]
    [InlineData("cool down", "cool-down")]
    [InlineData("COOLDOWNS", "cool-down")]
    [InlineData("pull up", "pull-up")]
    [InlineData("pullups", "pull-up")]
    [InlineData("leg swings forwards", "leg swing forwards")]
    [InlineData("lunges", "walking lunge")]
    [InlineData("crunches", "sit-up")]
    [InlineData("butt kickers", "butt kicks")]
    [InlineData("Bskips", "B-skip")]
    public void Names_are_found_as_coaches_type_them(string typed, string name) => Assert.Equal(name, Catalogue.Find(typed)!.Name);

    [Fact]
    public void The_way_up_and_down_is_said_once_and_known_from_both_ends()
    {
        static Exercise One(string name, string? easier = null, string? harder = null) => new() { Name = name, Kind = Plan.WorkKind.Drill, Family = "own", Counted = CountedIn.Metres, Dose = "20 m", Effort = 60, For = "Teaches it.", Easier = easier, Harder = harder };
        var known = new ExerciseCatalogue([One("walk it"), One("skip it", easier: "walk it", harder: "run it"), One("run it"), One("fly it", easier: "run it")]);
        Assert.Equal(["walk it", "skip it", "run it", "fly it"], known.Ladder(known.Find("run it")!).Select(e => e.Name));
        Assert.Equal(("skip it", "run it"), (known.Find("walk it")!.Harder, known.Find("fly it")!.Easier));
    }

    [Fact]
    public void Ladders_follow_from_easy_to_hard_where_their_first_step_stood()
    {
        Exercise Own(string name, string? harder = null, string? easier = null) => new() { Name = name, Kind = WorkKind.Drill, Family = "own", Counted = CountedIn.Reps, Dose = "3 x 5", Effort = 50, For = "Shows.", Harder = harder, Easier = easier };
        var catalogue = new ExerciseCatalogue([Own("quay three"), Own("apart"), Own("quay one", harder: "quay two"), Own("quay two", harder: "quay three"), Own("after"), Own("pier low"), Own("pier high", easier: "pier low")]);
        Assert.Equal([("quay one", true), ("quay two", true), ("quay three", false), ("apart", false), ("after", false), ("pier low", true), ("pier high", false)], catalogue.InSteps(new[] { "quay three", "apart", "quay one", "quay two", "after", "pier low", "pier high" }.Select(n => catalogue.Find(n)!)).Select(s => (s.Exercise.Name, s.LeadsOn)));

        // A step that is not among them parts the ladder, and nobody comes twice or is lost.
        Assert.Equal([("apart", false), ("quay one", false), ("quay three", false)], catalogue.InSteps(new[] { "apart", "quay three", "quay one" }.Select(n => catalogue.Find(n)!)).Select(s => (s.Exercise.Name, s.LeadsOn)));
        Assert.Equal(ExerciseCatalogue.BuiltIn.All.Select(e => e.Name).Order(), ExerciseCatalogue.BuiltIn.InSteps(ExerciseCatalogue.BuiltIn.All).Select(s => s.Exercise.Name).Order());
        Assert.Empty(catalogue.InSteps([]));
    }
}
