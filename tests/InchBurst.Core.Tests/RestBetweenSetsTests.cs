using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Core.Rest;
using InchBurst.Core.School;
using InchBurst.Core.Shorthand;

namespace InchBurst.Core.Tests;

/// <summary>Rest between reps and rest between sets are two things, whichever way the first is said.</summary>
public class RestBetweenSetsTests
{
    private static PlanLine Line(string text) => ShorthandLine.Read(text).Line ?? throw new InvalidOperationException(ShorthandLine.Read(text).Problem!.Message);

    [Theory]
    [InlineData("2 x 4 x 60 m rest walk-back/5:00", true, null, null)]
    [InlineData("2 x 4 x 60 m rest walk-back + 1:00/5:00", true, null, null)]
    [InlineData("2 x 4 x 60 m rest every 1:30/5:00", false, 90.0, null)]
    [InlineData("2 x 4 x 60 m rest 1 to 3/5:00", false, null, 3.0)]
    [InlineData("2 x 4 x 60 m rest 2:00-3:00/5:00", false, null, null)]
    [InlineData("2 x 4 x 60 m rest 5:00 between sets", false, null, null)]
    public void Each_kind_of_rest_carries_the_rest_between_sets_and_is_printed_as_it_is_read(string text, bool walk, double? every, double? share)
    {
        var line = Line(text);
        Assert.Equal(300, line.Rest!.SetSeconds);
        Assert.Equal((walk, every, share), (line.Rest.WalkBack, line.Rest.EverySeconds, line.Rest.OfWork));
        Assert.Equal(text, ShorthandPrinter.Print(line, ExerciseCatalogue.BuiltIn));
        var (fields, _) = LineFields.From(line, ExerciseCatalogue.BuiltIn).ToShorthand(ExerciseCatalogue.BuiltIn);
        Assert.Equal(line.Rest, Line(fields).Rest);
    }

    [Fact]
    public void What_is_rested_after_the_walk_back_is_added_to_it()
    {
        RestAdvice Between(string text) => RestRules.Between(LineDemand.Of(Line(text), ExerciseCatalogue.BuiltIn), CoachingSchool.Usual);
        var (walk, more) = (Between("4 x 60 m rest walk-back"), Between("4 x 60 m rest walk-back + 1:00"));
        Assert.Equal(walk.Seconds + 60, more.Seconds, 6);
        Assert.Equal(("walk back", "walk back and 1:00"), (walk.Reason, more.Reason));
        Assert.NotNull(ShorthandLine.Read("4 x 60 m rest walk-back +").Problem);
    }

    // Between reps the rule of the school stands where only the rest between sets is said.
    [Fact]
    public void A_line_that_says_only_the_rest_between_sets_rests_between_reps_by_the_rule()
    {
        var (ruled, said) = (Line("4 x 60 m"), Line("2 x 4 x 60 m rest 5:00 between sets"));
        double Between(PlanLine line) => RestRules.Between(LineDemand.Of(line, ExerciseCatalogue.BuiltIn), CoachingSchool.Usual).Seconds;
        Assert.True(Between(ruled) > 60);
        Assert.Equal(Between(ruled), Between(said));
    }

    // A name that holds a known one is asked about with that one first, and what is left over is said to the athlete.
    [Theory]
    [InlineData("tall A-skip 2 x 15 m", "A-skip 2 x 15 m cue \"tall\"")]
    [InlineData("alternating fast leg 2 x 20 m", "leg circle run 2 x 20 m cue \"alternating\"")]
    [InlineData("ankle weights A-skip 2 x 15 m", "A-skip 2 x 15 m cue \"ankle weights\"")]
    public void An_unknown_name_around_a_known_one_offers_it_first(string typed, string first)
    {
        var problem = ShorthandLine.Read(typed).Problem!;
        Assert.Equal(first, problem.Choices[0].In(typed));
        Assert.Null(ShorthandLine.Read(first).Problem);
        Assert.Contains("or what sort of work", problem.Message, StringComparison.OrdinalIgnoreCase);
    }

    // Words that people write are no slips of words of another meaning, nor one lone letter of another.
    [Theory]
    [InlineData("V drill x 3")]
    [InlineData("10 min easy jog and mobility")]
    [InlineData("4 corner drill 10 m x 3")]
    [InlineData("wrist curl 3 x 10")]
    public void No_hint_names_another_thing(string typed) => Assert.Null(ShorthandLine.Read(typed).Problem!.Suggestion);

    // A time beside so many times a course with turns is the rest, not how long the course is.
    [Fact]
    public void A_course_with_turns_is_run_and_then_rested()
    {
        var line = Line("L-drill x 4, 90s");
        Assert.Equal((4, 90.0), (line.Reps, line.Rest!.RepSeconds));
        Assert.IsType<RunShape>(line.Shape);
    }
}
