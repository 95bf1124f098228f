using CsCheck;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Units;

namespace InchBurst.Core.Tests;

public class ShorthandTests
{
    private static readonly string[] Pieces =
    [
        "4", "x", "20", "m", "yd", "@", "95%", "rest", "2:00", "/", "+", "fly", "sled", "-10%v", "gates", "5,10", "\"", "cue", "for", "as", "from", "3-point", "turn",
        "ø", "🙂", "pogo", "1e9", "99999999", "raise", "min", "each side", ",", "\t", "0", ".5", "through", "max", "%",
    ];

    private static PlanLine Read(string text)
    {
        var reading = ShorthandLine.Read(text);
        Assert.True(reading.Problem is null, $"{text}: {reading.Problem?.Message}");
        return reading.Line!;
    }

    [Theory]
    [InlineData("4 x 20 m @95% rest 2:00", "4 x 20 m @95% rest 2:00", WorkKind.Acceleration)]
    [InlineData("10 x 10m rest 1:00", "10 x 10 m rest 1:00", WorkKind.Acceleration)]
    [InlineData("2 x 15 yd from 3-point gates 5,10 yd", "2 x 15 yd from 3-point gates 5,10 yd", WorkKind.Acceleration)]
    [InlineData("raise 4 min easy", "raise 4 min easy", WorkKind.Raise)]
    [InlineData("3 x 20 build + 10 fly + 20 slow @100 rest 4:00", "3 x 20 build + 10 fly + 20 m slow @100% rest 4:00", WorkKind.MaxVelocity)]
    [InlineData("2×3×20m rest 2:00/5:00", "2 x 3 x 20 m rest 2:00/5:00", WorkKind.Acceleration)]
    [InlineData("10 fast + 10 float + 10 fast", "10 fast + 10 float + 10 m fast", WorkKind.MaxVelocity)]
    [InlineData("3 x 20 up + 20 back + 40 up + 40 back rest 1:00", "3 x 20 up + 20 back + 40 up + 40 m back rest 1:00", WorkKind.Conditioning)]
    [InlineData("3 x 30 m @70,80,90", "3 x 30 m @70,80,90%", WorkKind.Acceleration)]
    [InlineData("2 x 40 m 0 to 100% rising", "2 x 40 m @0-100%", WorkKind.Acceleration)]
    [InlineData("2 x 40 m @0-100% rising", "2 x 40 m @0-100%", WorkKind.Acceleration)]
    [InlineData("4 x 20 m rest 1min/10m", "4 x 20 m rest 1:00/10 m", WorkKind.Acceleration)]
    [InlineData("4 x 20 m rest walk-back", "4 x 20 m rest walk-back", WorkKind.Acceleration)]
    [InlineData("4 x 20 m sled 12 kg rest 3 min", "4 x 20 m sled 12 kg rest 3:00", WorkKind.Resisted)]
    [InlineData("4 x 20 m sled 20%bm", "4 x 20 m sled 20%bm", WorkKind.Resisted)]
    [InlineData("4 x 20 m sled −10%v", "4 x 20 m sled -10%v", WorkKind.Resisted)]
    [InlineData("4 x 20 m uphill 5%", "4 x 20 m uphill 5%", WorkKind.Resisted)]
    [InlineData("4 x 30 m downhill 2deg", "4 x 30 m downhill 2deg", WorkKind.Assisted)]
    [InlineData("3 x 20 build + 10 fly tow +5%v", "3 x 20 build + 10 m fly tow +5%v", WorkKind.Assisted)]
    [InlineData("3 x 10 m band light", "3 x 10 m band light", WorkKind.Resisted)]
    [InlineData("\"power clean\" 3 x 3 75% max", "power clean 3 x 3 reps 75% max", WorkKind.Strength)]
    [InlineData("2 x 10 m from half kneeling left through 5 m", "2 x 10 m from half-kneeling left through 5 m", WorkKind.Acceleration)]
    [InlineData("2 x 20 m from moving 5 m", "2 x 20 m from moving 5 m", WorkKind.Acceleration)]
    [InlineData("5 m + turn 180 right + 10 m + turn left + 5 m", "5 + turn 180 right + 10 + turn 180 left + 5 m", WorkKind.Turn)]
    [InlineData("pogos 2 x 10", "pogo hops 2 x 10 reps", WorkKind.Jumps)]
    [InlineData("2 x 10 m ankle dribble", "ankle dribble 2 x 10 m", WorkKind.Drill)]
    [InlineData("A-skip", "A-skip 2 x 15 m", WorkKind.Drill)]
    [InlineData("4 x 20 m for low minutes cue \"push the ground\"", "4 x 20 m for low minutes cue \"push the ground\"", WorkKind.Acceleration)]
    [InlineData("4 x 20 m for Aune Okafor, Siri Blom", "4 x 20 m for \"Aune Okafor\", \"Siri Blom\"", WorkKind.Acceleration)]
    [InlineData("4 x 20 m as conditioning", "4 x 20 m as conditioning", WorkKind.Conditioning)]
    [InlineData("\"kangaroos\" 3 x 10", "\"kangaroos\" 3 x 10 reps", WorkKind.Drill)]
    [InlineData("\"kangaroo bound\" 3 x 10", "\"kangaroo bound\" 3 x 10 reps", WorkKind.Drill)]
    public void Lines_coaches_write_are_read_and_written_back(string text, string? printed, WorkKind kind)
    {
        if (printed is null)
        {
            Assert.NotNull(ShorthandLine.Read(text).Problem);
            return;
        }

        var line = Read(text);
        Assert.Equal(kind, line.Kind);
        Assert.Equal(printed, ShorthandPrinter.Print(line));
        Assert.Equal(printed, ShorthandPrinter.Print(Read(printed)));
    }

    [Theory]
    [InlineData("4 x 20 m rset 2:00", "rset", "rest")]
    [InlineData("4 x 20 m form standing", "form", "from")]
    [InlineData("4 x 20 m from standign", "standign", "standing")]
    [InlineData("ankel dribble 2 x 10 m", "ankel", "ankle")]
    [InlineData("4 x 20 m slde 12 kg", "slde", "sled")]
    [InlineData("20 biuld + 10 fly", "biuld", "build")]
    [InlineData("4 x 20 m as accelaration", "accelaration", "acceleration")]
    public void A_slip_of_the_keys_points_at_the_word_and_offers_the_nearest(string text, string word, string suggestion)
    {
        var problem = ShorthandLine.Read(text).Problem!;
        Assert.Equal(word, text.Substring(problem.Start, problem.Length));
        Assert.Equal(suggestion, problem.Suggestion);
    }

    [Theory]
    [InlineData("", "Type a line")]
    [InlineData("4 x", "both sides")]
    [InlineData("4 x 20 m rest 2", "2:00")]
    [InlineData("4 x 20 m rest 20", "20 s? Write 0:20; or 20 min.")]
    [InlineData("squat 4 x 3 100", "100 of what?")]
    [InlineData("4 x 20 m rest", "How long")]
    [InlineData("0 x 20 m", "Reps must be")]
    [InlineData("4 x 20000 m", "0.5 to 10000")]
    [InlineData("4 x 20 m @300%", "Effort")]
    [InlineData("4 x 20 m gates 30", "beyond the end")]
    [InlineData("4 x 20 m gates 15,10", "outwards")]
    [InlineData("4 x 20 m 3 x 10 m", "second piece of work")]
    [InlineData("4 x 20 m rest 1:00 rest 2:00", "already")]
    [InlineData("4 x 20 m cue 3 steps", "quotation marks")]
    [InlineData("4 x 20 m \"push", "partner")]
    [InlineData("4 x 20 m sled 12", "How heavy")]
    [InlineData("raise 4", "4 min")]
    [InlineData("2 x 2 x 2 x 20 m", "at most")]
    [InlineData("1.5 x 20 m", "whole number")]
    [InlineData("many x 20 m", "“many” is not a number")]
    public void What_is_missing_or_out_of_range_is_said(string text, string words)
    {
        var reading = ShorthandLine.Read(text);
        Assert.Null(reading.Line);
        Assert.Contains(words, reading.Problem!.Message);
        Assert.InRange(reading.Problem.Start, 0, text.Length);
        Assert.InRange(reading.Problem.Start + reading.Problem.Length, 0, text.Length);
    }

    private static IReadOnlyList<Distance> Marks(PlanLine line) => LineMarks.Expected(LineDemand.Of(line, ExerciseCatalogue.BuiltIn));

    [Fact]
    public void Yards_stay_yards_and_are_metres_inside()
    {
        var line = Read("40 yd gates 10,20,40 yd");
        Assert.Equal(36.576, ((RunShape)line.Shape).Metres, 9);
        Assert.Equal(["10 yd", "20 yd", "40 yd"], Marks(line).Select(m => m.ToString()));
        // A club that thinks in yards leaves the unit out.
        var bare = ShorthandLine.Read("4 x 20", new(DistanceUnit.Yard, ExerciseCatalogue.BuiltIn)).Line!;
        Assert.Equal(18.288, ((RunShape)bare.Shape).Metres, 9);
    }

    [Fact]
    public void A_fly_expects_its_two_gates()
    {
        Assert.Equal([20.0, 30.0], Marks(Read("3 x 20 build + 10 fly + 20 slow")).Select(m => m.Metres));
        Assert.Equal([20.0], Marks(Read("4 x 20 m")).Select(m => m.Metres));
        Assert.Empty(Marks(Read("pogos 2 x 10")));
    }

    [Fact]
    public void Nothing_typed_ever_throws_and_a_line_is_read_whole_or_not_at_all()
    {
        var pieces = Gen.Int[0, 99999].Select(i => Pieces[i % Pieces.Length]);
        Gen.OneOf(pieces.Array[0, 12].Select(p => string.Join(' ', p)), pieces.Array[0, 12].Select(string.Concat), Gen.String).Sample(text =>
        {
            var reading = ShorthandLine.Read(text);
            Assert.True((reading.Line is null) != (reading.Problem is null));
            if (reading.Line is { } line)
            {
                var printed = ShorthandPrinter.Print(line);
                var again = ShorthandLine.Read(printed);
                Assert.True(again.Line is not null, $"{text} -> {printed}: {again.Problem?.Message}");
                Assert.Equal(printed, ShorthandPrinter.Print(again.Line!));
            }
            else
            {
                Assert.InRange(reading.Problem!.Start, 0, text.Length);
                Assert.InRange(reading.Problem.Start + reading.Problem.Length, 0, text.Length);
            }
        }, iter: 3000);
    }

    [Fact]
    public void A_plan_survives_JSON()
    {
        var plan = SessionPlan.Empty;
        foreach (var text in new[] { "raise 4 min easy", "3 x 20 build + 10 fly + 20 slow @100 rest 4:00", "2 x 15 yd from 3-point gates 5,10 yd", "4 x 20 m sled -10%v for low minutes cue \"drive\"", "pogos 2 x 10" })
        {
            plan = plan.Add(Read(text));
        }

        var json = PlanJson.Write(plan);
        var back = PlanJson.Read(json);
        Assert.Equal(json, PlanJson.Write(back));
        Assert.Equal(plan.Lines.Select(l => ShorthandPrinter.Print(l)), back.Lines.Select(l => ShorthandPrinter.Print(l)));
        Assert.ThrowsAny<System.Text.Json.JsonException>(() => PlanJson.Read(json.Replace("\"version\":2", "\"version\":9")));
    }
}

public class FormatsDocumentTests
{
    public static TheoryData<string> Examples()
    {
        var text = File.ReadAllText(Path.Combine(Repository.Root, "docs/formats.md"));
        var block = text[(text.IndexOf("```shorthand", StringComparison.Ordinal) + 12)..];
        return [.. block[..block.IndexOf("```", StringComparison.Ordinal)].Split('\n', StringSplitOptions.RemoveEmptyEntries)];
    }

    [Theory]
    [MemberData(nameof(Examples))]
    public void Every_example_line_is_read_and_written_back(string text)
    {
        var line = ShorthandLine.Read(text).Line;
        Assert.True(line is not null, ShorthandLine.Read(text).Problem?.Message);
        var printed = ShorthandPrinter.Print(line);
        Assert.Equal(printed, ShorthandPrinter.Print(ShorthandLine.Read(printed).Line!));
    }
}
