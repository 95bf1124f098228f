using System.Text.Json.Nodes;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.Log;
using InchBurst.Core.School;
using InchBurst.Core.Shorthand;

namespace InchBurst.Core.Tests;

/// <summary>A fair start: a hold that nobody can foresee, taps that come to times, a reaction kept apart.</summary>
public class StartBoxTests
{
    private const int Holds = 1000;

    private static uint Draw(Random random) => (uint)random.NextInt64(0, 1L + uint.MaxValue);

    // Kolmogorov and Smirnov's distance from the even distribution at alpha 0.01: 1.628 over the root of n (tables of the statistic, from memory).
    [Theory]
    [InlineData(1.0, 2.5, 1)]
    [InlineData(0.8, 6.0, 2)]
    [InlineData(1.5, 2.3, 3)]
    public void A_thousand_holds_lie_evenly_between_their_ends(double least, double most, int seed)
    {
        var random = new Random(seed);
        var holds = Enumerable.Range(0, Holds).Select(_ => StartBox.HoldSeconds(new(10, least, most), Draw(random))).Order().ToList();
        Assert.All(holds, h => Assert.InRange(h, least, most));
        var distance = holds.Select((h, i) => (At: (h - least) / (most - least), Below: (double)i / Holds, Above: (i + 1.0) / Holds)).Max(x => Math.Max(Math.Abs(x.At - x.Below), Math.Abs(x.At - x.Above)));
        Assert.True(distance < 1.628 / Math.Sqrt(Holds), $"{distance:0.000}");
    }

    // A rank correlation beyond 2.576 over the root of n - 1 would tell at alpha 0.01; so would one hold that tells of the next.
    [Fact]
    public void Neither_the_lead_in_nor_the_hold_before_tells_when_the_go_comes()
    {
        var random = new Random(4);
        var starts = Enumerable.Range(0, Holds).Select(_ => (Lead: 2 + (58 * random.NextDouble()), Draw: Draw(random))).Select(s => (s.Lead, Hold: StartBox.HoldSeconds(new(s.Lead, 1, 2.5), s.Draw))).ToList();
        var bound = 2.576 / Math.Sqrt(Holds - 1);
        Assert.InRange(MathNet.Numerics.Statistics.Correlation.Spearman(starts.Select(s => s.Lead), starts.Select(s => s.Hold)), -bound, bound);
        Assert.InRange(MathNet.Numerics.Statistics.Correlation.Spearman(starts.Skip(1).Select(s => s.Hold), starts.SkipLast(1).Select(s => s.Hold)), -bound, bound);
        Assert.Equal(StartBox.HoldSeconds(new(2, 1, 2.5), 12345), StartBox.HoldSeconds(new(60, 1, 2.5), 12345));
    }

    [Fact]
    public void The_ends_of_a_hold_are_reached_and_a_hold_that_could_be_foreseen_is_widened()
    {
        Assert.Equal((1.0, 2.5), (StartBox.HoldSeconds(new(10, 1, 2.5), 0), StartBox.HoldSeconds(new(10, 1, 2.5), uint.MaxValue)));
        Assert.Equal(new(10, 1.5, 1.9), StartBox.Within(new(10, 1.5, 1.5)));
        Assert.Equal(new(60, 5.6, 6), StartBox.Within(new(900, 9, 9)));
        Assert.Equal(new(2, 0.8, 1.2000000000000002), StartBox.Within(new(double.NaN, 0, double.NegativeInfinity)));
    }

    [Fact]
    public void A_school_sets_the_start_up_and_holds_the_young_for_less_long()
    {
        Assert.Equal(new(10, 1, 2.5), StartBox.Usual(CoachingSchool.Usual, isYoung: false));
        Assert.Equal(new(10, 1, 1.8), StartBox.Usual(CoachingSchool.Usual, isYoung: true));
        var brisk = CoachingSchool.Usual with { Values = CoachingSchool.Usual.Values.ToDictionary(v => v.Key, v => v.Key == "start.hold.most" ? v.Value with { Value = 1.5 } : v.Value) };
        Assert.Equal(1.5, StartBox.Usual(brisk, isYoung: true).HoldMost);
    }

    private static LineDemand Demand(string line) => LineDemand.Of(ShorthandLine.Read(line).Line!, ExerciseCatalogue.BuiltIn, new(new(8.5, 1.2), null));

    private static readonly LineTiming Hand = new(TimingMethod.Hand, StartTrigger.Gun, 0);

    private static StartWord Read(bool fromMove, double move, params double[] taps) => StartBox.Read(Demand("3 x 20 m gates 5,10,20"), Hand, fromMove, 10_000, move, taps);

    // Reaction under 0.100 s: science.md. A hand time is read up to the next tenth: the rules of athletics, from memory.
    [Fact]
    public void Taps_come_to_times_from_the_go_and_from_the_first_movement()
    {
        var go = Read(false, 10_182, 11_560, 12_220, 13_480);
        Assert.Equal((0.182, false, WatchFrom.Go), (go.Reaction!.Value, go.IsFalse, go.Watch));
        Assert.Equal(["1.56 1.38 1.6", "2.22 2.04 2.3", "3.48 3.30 3.5"], go.Marks.Select(m => $"{m.Clock} {m.Run} {m.Hand}"));
        Assert.Equal(["1.56", "2.22", "3.48"], go.Boxes);
        var move = Read(true, 10_182, 11_560, 12_220, 13_480);
        Assert.Equal(WatchFrom.Move, move.Watch);
        Assert.Equal(["1.38", "2.04", "3.30"], move.Boxes);
    }

    [Fact]
    public void Without_a_pad_the_clock_counts_from_the_go_whatever_was_asked_for()
    {
        var word = Read(true, double.NaN, 11_560, double.NaN, 13_500);
        Assert.Equal((null, WatchFrom.Go, ""), (word.Reaction, word.Watch, word.Says));
        Assert.Equal(["1.56", "", "3.50"], word.Boxes);
        Assert.Equal("", word.Marks[0].Run);
        Assert.Empty(Read(false, double.NaN).Boxes);
        Assert.Equal("", Read(false, double.NaN, 9_000).Marks[0].Clock);
    }

    [Theory]
    [InlineData(10_084, true, "0.084 s after GO")]
    [InlineData(10_099, true, "0.099 s after GO")]
    [InlineData(10_100, false, "0.100 s after GO")]
    [InlineData(9_770, true, "0.230 s before GO")]
    public void A_movement_nobody_can_have_heard_the_go_for_is_a_false_start(double move, bool isFalse, string says)
    {
        var word = Read(false, move);
        Assert.Equal((isFalse, says), (word.IsFalse, word.Says));
    }

    [Fact]
    public void Boxes_that_take_splits_get_splits_and_a_zone_gets_its_own_time()
    {
        Assert.Equal(["1.56", "0.66", "1.26"], StartBox.Read(Demand("3 x 20 m gates 5,10,20"), Hand with { Entry = EntryMode.Segments }, false, 0, double.NaN, [1_560, 2_220, 3_480]).Boxes);
        Assert.Equal(["1.10"], StartBox.Read(Demand("3 x 20 build + 10 fly + 20 slow"), Hand with { Entry = EntryMode.ZoneOnly }, false, 0, double.NaN, [3_400, 4_500]).Boxes);
    }

    private static LiveStep Save(LiveState state, Guid client, Func<SaveRep, SaveRep> with) =>
        LiveSteps.Apply(state, with(new SaveRep(state.People[0].AthleteId, LiveHistory.Plan.Lines.First().Id) { Client = client, Overrule = true, Part = PartFilled.Stopped }), new(LiveHistory.Start.AddMinutes(20), "Odalys", true, ExerciseCatalogue.BuiltIn));

    [Theory]
    [InlineData("go", StartTrigger.Gun)]
    [InlineData("move", StartTrigger.FirstMove)]
    public void Times_of_the_stopwatch_are_marked_by_hand_and_keep_the_reaction_apart_however_the_line_is_timed(string watch, StartTrigger trigger)
    {
        var line = LiveHistory.Plan.Lines.First();
        var marks = LineMarks.Expected(LineDemand.Of(line, ExerciseCatalogue.BuiltIn)).Select((_, i) => $"{1.9 + i}").ToList();
        var fields = new[] { ("athlete", $"{LiveHistory.Fresh.People[0].AthleteId}"), ("line", $"{line.Id}"), ("watch", watch), ("reaction", "0.1824"), ("overrule", "true"), ("client", $"{Guid.NewGuid()}") }.Concat(marks.Select(m => ("mark", m)));
        var command = Assert.IsType<SaveRep>(LiveForms.Read(LiveVerb.Save, fields.Select(f => KeyValuePair.Create(f.Item1, f.Item2))));
        Assert.Equal(0.182, command.Reaction);
        var step = LiveSteps.Apply(LiveHistory.Fresh, command, new(LiveHistory.Start.AddMinutes(20), "Odalys", true, ExerciseCatalogue.BuiltIn));
        Assert.Equal(LiveAnswer.Stored, step.Answer);
        var what = step.State.Runs.Single().What;
        Assert.Equal((TimingMethod.Hand, trigger, 0.182, 0.0), (what.Method, what.Trigger, what.ReactionSeconds!.Value, what.StartBehindGateMetres));
        Assert.Equal(1.9, what.Marks[0].Seconds);
    }

    [Theory]
    [InlineData("5.001")]
    [InlineData("-11")]
    [InlineData("NaN")]
    [InlineData("soon")]
    public void A_reaction_nobody_has_is_not_taken(string typed) =>
        Assert.Null(((SaveRep)LiveForms.Read(LiveVerb.Save, [KeyValuePair.Create("reaction", typed), KeyValuePair.Create("watch", "sometime")])!).Reaction);

    [Fact]
    public void A_reaction_joins_a_rep_that_is_in_the_book_and_never_replaces_one()
    {
        var first = Save(LiveHistory.Fresh, Guid.NewGuid(), s => s with { Rep = 1, Marks = ["1.90"] });
        var second = Save(first.State, Guid.NewGuid(), s => s with { Rep = 1, Marks = ["1.91"], Watch = WatchFrom.Go, Reaction = 0.17 });
        var third = Save(second.State, Guid.NewGuid(), s => s with { Rep = 1, Marks = ["1.92"], Watch = WatchFrom.Go, Reaction = 0.31 });
        var run = Assert.Single(third.State.Runs);
        Assert.Equal(0.17, run.What.ReactionSeconds);
        Assert.Equal(3, run.Told.Count);
        Assert.Equal(TimingMethod.Hand, run.Told[1].Method);
    }

    [Fact]
    public void A_device_knows_the_start_of_an_athlete_with_the_reactions_that_are_usual_for_them()
    {
        var person = LiveHistory.Fresh.People[0];
        var line = LiveHistory.Plan.Lines.First();
        var setting = new LiveSetting
        {
            Pace = DemandAthlete.UsualCurve,
            School = CoachingSchool.Usual,
            WindowSeconds = 2400,
            Athletes = [new LiveAthlete(person.AthleteId, person.Name) { Curve = new(8.5, 1.2), IsYoung = true, Reactions = [0.18, 0.16, 0.084, 0.2, 0.17, 0.19] }],
        };
        var device = LiveDevice.Open(LiveDocument.Of(Save(LiveHistory.Fresh, Guid.NewGuid(), s => s with { Rep = 1, Marks = ["1.90"], Reaction = 0.15, Watch = WatchFrom.Go }).State, setting, "Odalys", true).Write());
        var sight = JsonNode.Parse(device.StartOf(person.AthleteId, line.Id))!;
        Assert.Equal(1.8, (double)sight["setting"]!["holdMost"]!);

        // This session's own first, then those before it; a false start is no reaction.
        Assert.Equal([0.15, 0.18, 0.16, 0.2, 0.17, 0.19], sight["reactions"]!.AsArray().Select(r => (double)r!));
        Assert.InRange((double)sight["usual"]!["least"]!, 0.15, 0.16);
        var marks = sight["marks"]!.AsArray();
        var places = sight["places"]!.AsArray().Select(p => (double)p!).ToList();
        Assert.Equal(LineMarks.Expected(LineDemand.Of(line, ExerciseCatalogue.BuiltIn)).Count, marks.Count);
        Assert.Equal(places.Order(), places);
        Assert.Equal((0.0, (double)marks[^1]!["metres"]!), (places[0], places[^1]));

        // After so many tenths the athlete is where the expected time says: within a hand's breadth.
        var expected = (double)marks[0]!["expectedSeconds"]!;
        Assert.InRange(places[(int)Math.Round(expected * 10)], (double)marks[0]!["metres"]! - 0.5, (double)marks[0]!["metres"]! + 0.5);
        var word = JsonNode.Parse(device.StartRead(person.AthleteId, line.Id, true, 1000, 1200, [2900]))!;
        Assert.Equal("1.70", (string)word["boxes"]![0]!);
        Assert.Equal("null", device.StartOf(0, line.Id));
        Assert.Equal("null", device.StartRead(person.AthleteId, -1, false, 0, 0, []));
    }

    // The expected way is the expected times turned around: after so many tenths the athlete is where the time says, to a few centimetres.
    [Theory]
    [InlineData("3 x 20 m gates 5,10,20")]
    [InlineData("3 x 30 build + 30 fly + 20 m slow")]
    [InlineData("2 x 150 m")]
    public void The_expected_place_is_where_the_expected_time_says(string line)
    {
        var demand = Demand(line);
        var sight = StartBox.See(LiveHistory.Fresh, demand, new() { Pace = DemandAthlete.UsualCurve, School = CoachingSchool.Usual, WindowSeconds = 2400, Athletes = [] }, new(9, "Amara"));
        Assert.Equal(LineMarks.Expected(demand).Select(m => (m.ToString(), m.Metres, demand.ExpectedSeconds(m.Metres))), sight.Marks.Select(m => (m.Label, m.Metres, m.ExpectedSeconds)));
        Assert.Equal(demand.Course!.Metres, sight.RunMetres);
        var places = sight.Places;
        Assert.Equal((int)Math.Ceiling(sight.Marks[^1].ExpectedSeconds * 10) + 1, places.Count);
        Assert.Equal((0, sight.Marks[^1].Metres), (places[0], places[^1]));
        for (var tenth = 1; tenth < places.Count - 1; tenth++)
        {
            // The first half metre is drawn as one piece.
            var within = places[tenth] < 0.5 ? 0.1 : 0.02;
            Assert.InRange(demand.ExpectedSeconds(places[tenth]), (tenth / 10.0) - within, (tenth / 10.0) + within);
        }
    }

    [Fact]
    public void A_line_without_times_has_no_marks_and_no_way()
    {
        var sight = StartBox.See(LiveHistory.Fresh, Demand("squat 3 x 5"), new() { Pace = DemandAthlete.UsualCurve, School = CoachingSchool.Usual, WindowSeconds = 2400, Athletes = [] }, new(9, "Amara"));
        Assert.Empty(sight.Marks);
        Assert.Empty(sight.Places);
        Assert.Equal(0, sight.RunMetres);
    }

    [Fact]
    public void Reactions_are_the_athletes_own_latest_first_without_what_was_taken_back_or_was_false()
    {
        var (own, other) = (LiveHistory.Fresh.People[0].AthleteId, LiveHistory.Fresh.People[1].AthleteId);
        var line = LiveHistory.Plan.Lines.First();
        var run = Save(LiveHistory.Fresh, Guid.NewGuid(), s => s with { Rep = 1, Marks = ["1.90"] }).State.Runs[0];
        LiveRun Of(int athlete, int minute, double? reaction, bool gone = false) => run with { Id = Guid.NewGuid(), AthleteId = athlete, FinishedAt = run.FinishedAt.AddMinutes(minute), IsTakenBack = gone, What = run.What with { ReactionSeconds = reaction } };
        var state = LiveHistory.Fresh with { Runs = [Of(own, 1, 0.15), Of(own, 3, 0.17), Of(own, 2, 0.16), Of(own, 4, 0.09), Of(own, 5, 0.18, true), Of(other, 6, 0.19), Of(own, 7, null)] };
        var sight = StartBox.See(state, LineDemand.Of(line, ExerciseCatalogue.BuiltIn), new() { Pace = DemandAthlete.UsualCurve, School = CoachingSchool.Usual, WindowSeconds = 2400, Athletes = [] }, new(own, "Amara") { Reactions = [0.2] });
        Assert.Equal([0.17, 0.16, 0.15, 0.2], sight.Reactions);
    }

    // What was tapped at the go or before the first movement is no time; without a pad nothing is said of a reaction.
    [Fact]
    public void A_tap_before_the_start_is_no_time()
    {
        var word = Read(true, 10_150, 10_000, 10_150, 13_000);
        Assert.Equal(["", "0.15", "3.00"], word.Marks.Select(m => m.Clock));
        Assert.Equal(["", "", "2.85"], word.Marks.Select(m => m.Run));
        Assert.Equal("", Read(false, double.NaN, 11_000).Says);
        Assert.Equal("0.000 s after GO", Read(false, 10_000, 11_000).Says);
    }
}
