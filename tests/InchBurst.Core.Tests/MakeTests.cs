using InchBurst.Core.Catalogue;
using InchBurst.Core.Make;
using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Units;

namespace InchBurst.Core.Tests;

/// <summary>What is proposed goes where it does some good.</summary>
public class MakeTests
{
    private static readonly ShorthandContext Context = new(DistanceUnit.Metre, ExerciseCatalogue.BuiltIn);

    private static SessionPlan Plan(params string[] lines) => lines.Aggregate(SessionPlan.Empty, (plan, line) => plan.Add(PlanText.ReadOne(line, Context).Block!));

    [Theory]
    [InlineData(1, "jog 5 min", "3 x 20 m", "3 x 30 m", "walk and breathe 2 min")]
    [InlineData(2, "jog 5 min", "squat 3 x 5", "walk and breathe 2 min")]
    [InlineData(0, "2 x 30 m @85%", "3 x 20 m")]
    public void Drills_come_before_the_first_hard_run_or_else_before_the_easy_end(int place, params string[] lines)
    {
        var with = SeenDrills.Into(Plan(lines), ["A-skip 2 x 15 m for Ada Quillfeather", "no such thing", "A-skip 2 x 15 m for Ada Quillfeather"], Context);
        Assert.Equal(lines.Length + 1, with.Blocks.Count);
        var line = Assert.Single(with.Blocks[place].Lines);
        Assert.Equal(("A-skip", "Ada Quillfeather"), (line.Exercise, Assert.Single(line.For)));
        Assert.Equal("Drills for what was seen", with.Blocks[place].Title);
    }

    [Fact]
    public void What_everybody_has_already_is_not_added_again_but_what_only_some_have_is()
    {
        Assert.Equal(2, SeenDrills.Into(Plan("A-skip 2 x 15 m", "3 x 20 m"), ["a-SKIP 2 x 15 m"], Context).Blocks.Count);
        Assert.Equal(3, SeenDrills.Into(Plan("A-skip 2 x 15 m for Bo Tranquist", "3 x 20 m"), ["A-skip 2 x 15 m for Ada Quillfeather"], Context).Blocks.Count);
    }
}
