using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.Load;
using InchBurst.Core.Log;
using InchBurst.Core.Make;
using InchBurst.Core.Plan;
using InchBurst.Core.School;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;

namespace InchBurst.Core.Tests;

/// <summary>What is said of a load: on the loads page, on the sheet, at the line.</summary>
public sealed class LoadAnswerTests
{
    private static readonly LoadLine Line = LoadLine.Of([new(0, 8.9), new(0, 8.86), new(15, 7.9), new(30, 6.95), new(45, 5.9)]).Line!;
    private static readonly LoadDocument Athlete = new(8.9, 1.2, 68, new(0.55, 0.04, true), Line, new(7.5, [20, 10, 10, 5, 2.5]), 10, 60, MassReading.Kilogram);

    [Fact]
    public void An_answer_says_the_load_that_plates_make_and_all_that_goes_with_it()
    {
        var answer = LoadAnswer.Of(Athlete, 30);
        Assert.Equal((40.0, "40.0 kg", "sled 7.5 + 20 + 10 + 2.5"), (answer.Kilograms, answer.Load, answer.Plates));
        Assert.Equal(Line.DecrementAt(40), answer.Decrement, 9);
        Assert.Equal((30.0, "\u221230%", "\u221230%", "sled -30%v"), (answer.Asked, answer.Set, answer.Percent, answer.Shorthand));
        Assert.Equal(("Strong push", "StrongPush", true, ""), (answer.Name, answer.Aim, answer.IsInAim, answer.Mind));
        Assert.Equal(("10\u201320 m", "3:00", "90 s for each 10 m", "4\u20136 runs", "40 to 120 m in all"), (answer.Distance, answer.Rest, answer.RestNote, answer.Runs, answer.RunsNote));
        Assert.Equal(LoadAim.All[1].See, answer.See);
        Assert.Equal(LoadAim.All[1].Lighten, answer.Lighten);
        Assert.Equal(LoadAim.All[1].Next, answer.Next);
        Assert.Equal("59% of body mass", answer.Body);
        Assert.InRange(40, answer.Low, answer.High);
        Assert.StartsWith("likely ", answer.Likely, StringComparison.Ordinal);

        // The sources are asked for the same slowing as the load shown, on an axis that holds them all.
        Assert.Equal(["Measured line", "One sprint + friction", "Rule: acceleration, 15 m", "Rule: top speed"], answer.Sources.Select(s => s.Name));
        Assert.Equal(["5 runs, within what was tested", "\u03bc 0.55 \u00b1 0.04, your pull test"], answer.Sources.Take(2).Select(s => s.Note));
        Assert.Equal(40, answer.Sources[0].Kilograms, 6);
        Assert.Equal("", answer.Sources[0].Apart);
        Assert.All(answer.Sources.Skip(1), s => Assert.Equal((s.Kilograms < 40 ? "\u2212" : "+") + Figures.Exact(Math.Abs(s.Kilograms - 40), 1), s.Apart));
        Assert.All(answer.Sources, s => Assert.True(answer.AxisLow < s.Low && s.High < answer.AxisHigh && (s.IsRule ? s.Low == s.High : s.Low < s.Kilograms && s.Kilograms < s.High)));
        Assert.Equal((0.0, 0.0), (answer.AxisLow % 5, answer.AxisHigh % 5));
        Assert.Equal(answer.Write(), LoadAnswer.Of(LoadDocument.Read(Athlete.Write()), 30).Write());
    }

    [Theory]
    [InlineData(16, "between two aims: keep the movement is")]
    [InlineData(45, "beyond what was tested")]
    [InlineData(-4, "check cord and anchor, nobody in line with it")]
    [InlineData(-4, "beyond what was tested")]
    public void What_is_to_be_minded_is_said(double decrement, string says) => Assert.Contains(says, LoadAnswer.Of(Athlete, decrement).Mind, StringComparison.Ordinal);

    [Fact]
    public void What_a_school_does_not_pull_is_said()
    {
        Assert.Contains("heavier than the school pulls (60%)", LoadAnswer.Of(Athlete with { Kit = null }, 70).Mind, StringComparison.Ordinal);
        Assert.Contains("heavier than the school pulls (10%)", LoadAnswer.Of(Athlete with { Heaviest = 10 }, 30).Mind, StringComparison.Ordinal);
    }

    [Fact]
    public void The_young_pull_light_loads_only_and_are_not_pulled()
    {
        var young = Athlete with { IsYoung = true };
        Assert.Contains("young athlete", LoadAnswer.Of(young, 30).Mind, StringComparison.Ordinal);
        Assert.DoesNotContain("young", LoadAnswer.Of(young, 8).Mind, StringComparison.Ordinal);
        Assert.Contains("not pulled", LoadAnswer.Of(young, -4).Mind, StringComparison.Ordinal);
        Assert.DoesNotContain("young", LoadAnswer.Of(Athlete, 30).Mind, StringComparison.Ordinal);
    }

    [Fact]
    public void Steps_go_to_the_next_load_that_can_be_made()
    {
        var from = LoadAnswer.Of(Athlete, 30);
        Assert.Equal(42.5, LoadAnswer.Of(Athlete, from.Decrement, 1).Kilograms);
        Assert.Equal(37.5, LoadAnswer.Of(Athlete, from.Decrement, -1).Kilograms);
        Assert.Equal(45, LoadAnswer.Of(Athlete, from.Decrement, 2).Kilograms);
        Assert.Equal((40.5, "to the nearest half kilogram: your plates are not known"), (LoadAnswer.Of(Athlete with { Kit = null }, from.Decrement, 1).Kilograms, LoadAnswer.Of(Athlete with { Kit = null }, 30).Plates));

        // Below the sled there are half kilograms down to a pull, above the plates nothing more.
        Assert.Equal((-0.5, "no sled", "pulled from the front"), (LoadAnswer.OfMass(Athlete, -0.5).Kilograms, LoadAnswer.OfMass(Athlete, -0.5).Plates, LoadAnswer.OfMass(Athlete, -0.5).Body));
        Assert.Equal(55, LoadAnswer.Of(Athlete, 60, 3).Kilograms);
        Assert.Equal(32.5, LoadAnswer.OfMass(Athlete, 33).Kilograms);
        Assert.StartsWith("tow +3%v", LoadAnswer.OfMass(Athlete, -4).Shorthand, StringComparison.Ordinal);
        Assert.Equal("+3%", LoadAnswer.OfMass(Athlete, -4).Percent);
    }

    [Theory]
    [InlineData(double.NaN)]
    [InlineData(-500)]
    [InlineData(500)]
    [InlineData(double.PositiveInfinity)]
    public void Whatever_is_asked_gets_a_load_within_reason(double decrement) => Assert.All(
        new[] { LoadAnswer.Of(Athlete, decrement), LoadAnswer.OfMass(Athlete, decrement), LoadAnswer.Of(Athlete with { Line = null, Kit = null }, decrement, 5) }, a => Assert.True(a.Decrement is >= -10 and <= 85 && Math.Abs(a.Kilograms) < 400));

    [Fact]
    public void Pounds_are_read_in_pounds()
    {
        var answer = LoadAnswer.Of(Athlete with { Mass = MassReading.Pound }, 30);
        Assert.Equal("88.2 lb", answer.Load);
        Assert.EndsWith("lb (90%)", answer.Likely, StringComparison.Ordinal);
        Assert.Equal(Figures.Number(answer.AxisHigh / 0.45359237), answer.AxisHighText);
    }

    // ---- kit

    [Fact]
    public void A_kit_goes_to_text_and_back_and_the_latest_pull_test_stands()
    {
        var day = new DateOnly(2026, 11, 1);
        var kit = new ClubKit([new("Old", 7.5), new("New", 9)], [new(10, 4)], [new(day, "Old", Surface.Track, 10, [56]), new(day.AddDays(5), "Old", Surface.Track, 10, [50]), new(day.AddDays(9), "New", Surface.Grass, 10, [40])]);
        Assert.Equal(kit.Write(), ClubKit.Read(kit.Write()).Write());
        Assert.Empty(ClubKit.Read("").Sleds);
        Assert.Equal(50 / 98.1, kit.On(Surface.Track).Mu, 9);
        Assert.Equal(day.AddDays(5), kit.Latest(Surface.Track)!.Day);
        Assert.Equal((0.35, false), (kit.On(Surface.Turf).Mu, kit.On(Surface.Turf).IsMeasured));
        Assert.Null(kit.Latest(Surface.Turf));
        Assert.Equal(["7.5: 10 10", "9: 10 10"], kit.Shared(2).Select(s => $"{s.SledKilograms}: {string.Join(' ', s.Plates)}"));
        Assert.Single(kit.Shared(1));
    }

    [Theory]
    [InlineData("Sled", 7.5, null)]
    [InlineData(" ", 7.5, "name")]
    [InlineData("Sled", 0, "0.5 to 100")]
    [InlineData("Sled", 500, "0.5 to 100")]
    public void A_sled_that_cannot_be_is_told(string name, double kilograms, string? says) => Said(says, ClubKit.Problem(new ClubSled(name, kilograms)));

    [Theory]
    [InlineData(5, 2, null)]
    [InlineData(-5, 2, "5 kg is none")]
    [InlineData(500, 2, "500 kg is none")]
    [InlineData(5, 0, "how many")]
    [InlineData(5, 41, "how many")]
    public void Plates_that_cannot_be_are_told(double kilograms, int count, string? says) => Said(says, ClubKit.Problem(new ClubPlate(kilograms, count)));

    private static void Said(string? says, string? problem)
    {
        if (says is null)
        {
            Assert.Null(problem);
        }
        else
        {
            Assert.Contains(says, problem, StringComparison.Ordinal);
        }
    }

    // ---- the sheet

    [Fact]
    public void A_sheet_gives_everybody_their_plates_and_the_change_to_make()
    {
        LoadKnown Of(double mass) => new(new(8.9, 1.2), mass, new(0.55, 0.04, true));
        var squad = new[] { (1, Of(60)), (2, Of(72)), (3, Of(61)), (4, Of(73)) };
        var kits = SledKit.Share([7.5, 7.5], [(20, 2), (10, 2), (5, 2), (2.5, 2)]);
        var load = new LineLoad(LoadKind.Sled, 0, LoadUnit.StrongPush);
        var one = LoadSheet.Of(squad, load, [kits[0]])!;
        Assert.Equal([1, 2, 3, 4], one.Sleds.Single().Turns.Select(t => t.Athlete).Order());
        Assert.True(one.Moves <= one.ListMoves);
        Assert.Equal(one.Sleds[0].Turns.Max(t => Math.Abs(t.Stack.Kilograms - t.Asked)), one.Furthest, 9);
        Assert.All(one.Sleds[0].Turns, t => Assert.Equal((squad.Single(s => s.Item1 == t.Athlete).Item2.Best(30).Load.Kilograms, (LoadSourceKind?)LoadSourceKind.Sprint), (t.Asked, t.Source)));

        // Taking off and putting on leads from one stack to the next.
        var stack = one.Sleds[0].Turns[0].Stack.Plates;
        foreach (var turn in one.Sleds[0].Turns.Skip(1))
        {
            Assert.Equal(turn.Stack.Plates, [.. stack.Take(stack.Count - turn.Off.Count), .. turn.On]);
            Assert.Equal(turn.Off, stack.TakeLast(turn.Off.Count).Reverse());
            stack = turn.Stack.Plates;
        }

        Assert.Equal("goes first", one.Sleds[0].Turns[0].Change);
        Assert.Equal(one.Moves, one.Sleds[0].Turns.Skip(1).Sum(t => t.Off.Count + t.On.Count));
        var two = LoadSheet.Of(squad, load, kits)!;
        Assert.Equal([2, 2], two.Sleds.Select(s => s.Turns.Count));
        Assert.Contains(two.Sleds.SelectMany(s => s.Turns), t => t.Change == "no change");

        // A load in kilograms is the same for all, and one without a mass has no sheet.
        Assert.All(LoadSheet.Of(squad, new(LoadKind.Sled, 25, LoadUnit.Kilogram), kits)!.Sleds.SelectMany(s => s.Turns), t => Assert.Equal((25.0, null, "10 + 5 + 2.5"), (t.Asked, t.Source, t.Plates)));
        Assert.Null(LoadSheet.Of(squad, new(LoadKind.Uphill, 8, LoadUnit.PercentGrade), kits));
        Assert.Null(LoadSheet.Of(squad, load, []));
    }

    [Fact]
    public void A_change_is_written_as_plates_off_and_on()
    {
        var stack = new PlateStack(7.5, [10, 10]);
        Assert.Equal("\u22125 \u22122.5 +10", new LoadTurn(1, stack, 27, null, [5, 2.5], [10], false).Change);
        Assert.Equal("sled alone", new LoadTurn(1, new(7.5, []), 7, null, [], [], true).Plates);
    }

    // ---- shorthand and test day

    [Theory]
    [InlineData("4 x 20 m sled strong push", LoadUnit.StrongPush)]
    [InlineData("4 x 20 m sled keep movement", LoadUnit.KeepMovement)]
    [InlineData("4 x 20 m sled most power rest 3:00", LoadUnit.MostPower)]
    [InlineData("sled heavy start 5 x 10 m", LoadUnit.HeavyStart)]
    public void An_aim_is_read_and_written(string text, LoadUnit unit)
    {
        var line = ShorthandLine.Read(text).Line!;
        Assert.Equal(new LineLoad(LoadKind.Sled, 0, unit), line.Load);
        Assert.Equal(line.Load, ShorthandLine.Read(ShorthandPrinter.Print(line)).Line!.Load);
        var demand = LineDemand.Of(line, ExerciseCatalogue.BuiltIn);
        Assert.Equal(LoadAim.Of(line.Load)!.Usual, demand.Load.DecrementPercent, 9);
        Assert.Equal("sled " + LoadAim.Of(line.Load)!.Name.ToLowerInvariant(), Trial.Of(demand, TimingMethod.Electronic, StartTrigger.FirstGate, 0, null).Words);
    }

    [Theory]
    [InlineData("4 x 20 m sled", LoadUnit.None)]
    [InlineData("sled 4 x 20 m", LoadUnit.None)]
    [InlineData("4 x 20 m sled rest 2:00", LoadUnit.None)]
    [InlineData("4 x 20 m sled heavy rest 2:00", LoadUnit.Heavy)]
    [InlineData("4 x 20 m sled as heavy as still moves rest 2:00", LoadUnit.Heavy)]
    public void A_sled_of_which_little_is_said_is_read_and_has_its_question(string text, LoadUnit unit)
    {
        var line = ShorthandLine.Read(text).Line!;
        Assert.Equal((new LineLoad(LoadKind.Sled, 0, unit), 20.0), (line.Load, ((RunShape)line.Shape).Metres));
        Assert.Equal(text.Contains("rest", StringComparison.Ordinal) ? 120 : null, line.Rest?.RepSeconds);
        Assert.False(LineDemand.Of(line, ExerciseCatalogue.BuiltIn).Load.Measured);

        // Kilograms are offered still, and what is really pulled is kept.
        Assert.NotNull(LiveLoad.Call(LiveEntry.DemandFor(line, Setting, Setting.Athletes[0]), Gates, Setting, Setting.Athletes[0])!.Kilograms);
    }

    [Fact]
    public void A_load_test_is_put_before_the_cool_down()
    {
        var plan = LoadTestLines.Into(SessionPlan.Empty.Add(ShorthandLine.Read("raise 5 min").Line!, "raise").Add(ShorthandLine.Read("cool-down 5 min").Line!, "cool-down"));
        Assert.Equal(["raise", "", "", "", "", "", "cool-down"], plan.Lines.Select(l => l.Exercise ?? ""));
        Assert.Equal(new double?[] { null, null, 15, 30, 45, 60, null }, plan.Lines.Select(l => l.Load?.Amount));
        Assert.Equal(plan.Lines.Count(), plan.Lines.Select(l => l.Id).Distinct().Count());
        Assert.Equal(5, LoadTestLines.Into(SessionPlan.Empty).Lines.Count());
        Assert.Equal("cool-down", LoadTestLines.Session().Lines.Last().Exercise);
        Assert.Equal([0, 10, 18, 27, 36], LoadTestDay.Loads(60, 10));
    }

    // ---- at the line

    private static readonly LiveSetting Setting = new()
    {
        Athletes = [new(1, "Ada") { Curve = new(8.9, 1.2), MassKilograms = 68, Line = Line }, new(2, "Bo") { Curve = new(8.2, 1.2), MassKilograms = 60 }],
        Pace = new(8.5, 1.2),
        School = CoachingSchool.Usual,
        Friction = new(0.55, 0.04, true),
        Sled = new(7.5, [20, 10, 10, 5, 2.5]),
    };

    private static LineDemand Demand(string text, int athlete = 0) => LiveEntry.DemandFor(ShorthandLine.Read(text).Line! with { Id = 1 }, Setting, Setting.Athletes[athlete]);

    private static readonly LineTiming Gates = new(TimingMethod.Electronic, StartTrigger.FirstGate, 0.3, StartSaid: true);

    [Fact]
    public void Before_the_run_the_load_its_plates_and_the_window_are_said()
    {
        var call = LiveLoad.Call(Demand("4 x 20 m sled strong push gates 5,10,20 m"), Gates, Setting, Setting.Athletes[0])!;
        Assert.Equal((40.0, "40 kg", "sled + 20 + 10 + 2.5"), (call.Kilograms, call.Load, call.Plates));
        double Time(double slower) => new SprintCurve(8.9 * (1 - (slower / 100)), 1.2).TimeBetween(0.3, 20.3);
        Assert.Equal($"free {Figures.Split(Time(0))}, inside {Figures.Split(Time(25))} to {Figures.Split(Time(35))} s", call.Window);

        // Without plates to the half kilogram, from the sprint for whoever has no line.
        var plain = LiveLoad.Call(Demand("4 x 20 m sled strong push", 1), Gates, Setting with { Sled = null }, Setting.Athletes[1])!;
        Assert.Equal(Math.Round(LiveLoad.Known(Setting, Setting.Athletes[1]).Best(30).Load.Kilograms * 2) / 2, plain.Kilograms);
        Assert.Equal("", plain.Plates);
        Assert.Equal(("uphill 8%", null), (LiveLoad.Call(Demand("4 x 20 m uphill 8%"), Gates, Setting, Setting.Athletes[0])!.Load, LiveLoad.Call(Demand("4 x 20 m uphill 8%"), Gates, Setting, Setting.Athletes[0])!.Kilograms));
        Assert.Null(LiveLoad.Call(Demand("4 x 20 m"), Gates, Setting, Setting.Athletes[0]));
        Assert.Equal("", LiveLoad.Call(Demand("4 x 20 m sled 20 kg @80%"), Gates, Setting, Setting.Athletes[0])!.Window);
        Assert.Equal("", LiveLoad.Call(Demand("4 x 20 m sled 20 kg"), Gates with { Trigger = StartTrigger.Gun }, Setting, Setting.Athletes[0])!.Window);
        Assert.Equal(27.5, LiveLoad.Call(Demand("4 x 20 m sled 26.4 kg"), Gates, Setting, Setting.Athletes[0])!.Kilograms);
    }

    private static string? Said(string text, double slower, double? kilograms, StartTrigger trigger = StartTrigger.FirstGate, TimingMethod method = TimingMethod.Electronic)
    {
        var demand = Demand(text);
        var timing = Gates with { Trigger = trigger, Method = method };
        var behind = trigger == StartTrigger.FirstGate ? 0.3 : 0;
        var curve = new SprintCurve(8.9 * (1 - (slower / 100)), 1.2);
        var marks = LineMarks.Expected(demand).Select(m => new LoggedMark(m, curve.TimeBetween(behind, m.Metres + 0.3)));
        var run = new LiveRun
        {
            Id = Guid.NewGuid(),
            AthleteId = 1,
            LineId = 1,
            Rep = 1,
            Outcome = RunOutcome.Timed,
            By = "coach",
            FinishedAt = default,
            Measures = kilograms is { } kg ? [new(MeasureKind.Load, kg)] : [],
            What = new LoggedRun { Day = new(2026, 11, 26), Kind = demand.Line.Kind, Effort = demand.HardestEffort, Method = method, Trigger = trigger, StartBehindGateMetres = timing.StartBehindGateMetres, Course = Trial.CourseKey(demand.Course), Load = Trial.LoadKey(demand.AppliedLoad), Marks = [.. marks] },
        };
        return LiveLoad.Words(run, demand, Setting, Setting.Athletes[0]);
    }

    [Theory]
    [InlineData("4 x 20 m sled strong push gates 5,10,20 m", 30, 40.0, "40 kg: 30% slower, inside")]
    [InlineData("4 x 20 m sled strong push gates 5,10,20 m", 40, 40.0, "40 kg: 40% slower, too heavy: take 6 kg off")]
    [InlineData("4 x 20 m sled strong push gates 5,10,20 m", 20, 40.0, "40 kg: 20% slower, too light: add 6 kg")]
    [InlineData("4 x 20 m sled strong push gates 5,10,20 m", 20, null, "20% slower, too light")]
    [InlineData("3 x 20 build + 10 fly + 20 m slow sled 10 kg", 6, 10.0, "10 kg: 6% slower, inside")]
    [InlineData("3 x 20 build + 10 fly + 20 m slow sled 10 kg", 14, 10.0, "10 kg: 14% slower, too heavy: take 1.5 kg off")]
    [InlineData("3 x 20 build + 10 fly + 20 m slow tow +4%v", -4, null, "4% faster, inside")]
    [InlineData("3 x 20 build + 10 fly + 20 m slow tow +4%v", -12, null, "12% faster, too much: reduce the help, or stop")]
    [InlineData("4 x 20 m uphill 8%", 9, null, "9% slower, inside")]
    [InlineData("4 x 20 m", 0, null, null)]
    [InlineData("4 x 20 m sled 20 kg @80%", 10, 20.0, null)]
    public void After_the_run_its_time_says_what_the_load_did(string text, double slower, double? kilograms, string? says) => Assert.Equal(says, Said(text, slower, kilograms));

    [Fact]
    public void A_watch_or_a_gun_tells_nothing_of_a_load()
    {
        Assert.Null(Said("4 x 20 m sled strong push gates 5,10,20 m", 30, 40, method: TimingMethod.Hand));
        Assert.Null(Said("4 x 20 m sled strong push gates 5,10,20 m", 30, 40, StartTrigger.Gun));
        Assert.Equal("40 kg: 30% slower, inside", Said("4 x 20 m sled strong push gates 5,10,20 m", 30, 40, StartTrigger.FirstMove));

        // Between two gates far from the start nothing needs to be known of the start.
        Assert.Equal("40 kg: 30% slower, inside", Said("4 x 20 m sled strong push gates 10,20 m", 30, 40, StartTrigger.Gun));
    }

    // ---- what was on the sled is kept with the run

    [Theory]
    [InlineData("", null, "40 kg")]
    [InlineData("37.5", null, "37.5 kg")]
    [InlineData("heavy", LiveAnswer.Refused, "")]
    [InlineData("4000", LiveAnswer.Refused, "")]
    public void The_load_really_taken_is_kept_with_the_run(string typed, LiveAnswer? answer, string load)
    {
        var plan = SessionPlan.Empty.Add(ShorthandLine.Read("4 x 20 m sled strong push gates 20 m").Line!);
        var state = LiveHistory.Fresh with { Plan = plan, LineId = plan.Lines.First().Id };
        var athlete = state.People[0].AthleteId;
        var world = new LiveWorld(new DateTime(2026, 11, 26, 17, 0, 0, DateTimeKind.Utc), "coach", true, ExerciseCatalogue.BuiltIn) { Facts = EntryFacts.None with { LoadKilograms = 40 } };
        var save = (SaveRep)LiveForms.Read(LiveVerb.Save, [new("athlete", $"{athlete}"), new("line", $"{plan.Lines.First().Id}"), new("client", Guid.NewGuid().ToString()), new("mark", "4.20"), new("load", typed)])!;
        var step = LiveSteps.Apply(state, save, world);
        Assert.Equal(answer ?? LiveAnswer.Stored, step.Answer);
        Assert.Equal(load, string.Join(',', step.State.Runs.SelectMany(r => r.Measures).Select(m => Measures.Text(m, DistanceUnit.Metre, MassReading.Kilogram))));

        // A load alone is no run.
        Assert.NotEqual(LiveAnswer.Stored, LiveSteps.Apply(state, save with { Marks = [], Load = "30" }, world).Answer);
    }
}
