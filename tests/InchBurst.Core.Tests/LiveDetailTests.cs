using System.Text.Json;
using System.Text.Json.Nodes;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.School;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Units;

namespace InchBurst.Core.Tests;

/// <summary>Boxes, gates, lines and devices, one by one.</summary>
public class LiveDetailTests
{
    private static readonly LiveSetting Setting = new()
    {
        Pace = DemandAthlete.UsualCurve,
        School = CoachingSchool.Usual,
        WindowSeconds = 2400,
        Athletes = [new(9, "Nobody Here"), new(1, "Ada Quillfeather") { BestSpeed = 8.3, Ranges = [new(3, null, [new(0, 10000, 1, 1.1, 9)]), new(1, Side.Left, [new(0, 10000, 1, 1.1, 9)]), new(1, null, [new(0, 10000, 1.75, 1.80, 5), new(10000, 20000, 1.30, 1.35, 5)])] }],
    };

    private static LineDemand Asked(string text) => LineDemand.Of(ShorthandLine.Read(text).Line!, ExerciseCatalogue.BuiltIn);

    private static LineTiming By(EntryMode mode) => new(TimingMethod.Electronic, StartTrigger.FirstGate, 0, mode);

    [Theory]
    [InlineData("1.8 3.15", false, EntryMode.Cumulative, "1.800|3.150")]
    [InlineData("1.8 3.15", false, EntryMode.Segments, "1.800|1.350")]
    [InlineData("1.8 3.15", false, EntryMode.ZoneOnly, "1.350")]
    [InlineData("1.8 3.15 4.4", false, EntryMode.Segments, "1.800|1.350|1.250")]
    [InlineData("1.8 3.15 4.4", false, EntryMode.ZoneOnly, "1.350|2.600")]
    [InlineData("0 1.35", true, EntryMode.Cumulative, "|")]
    [InlineData("0 1.35", true, EntryMode.Segments, "|1.350")]
    [InlineData("0 1.35", true, EntryMode.ZoneOnly, "1.350")]
    [InlineData("- 3.15", false, EntryMode.Cumulative, "|3.150")]
    [InlineData("- 3.15", false, EntryMode.Segments, "|")]
    [InlineData("3.1", false, EntryMode.ZoneOnly, "3.100")]
    public void What_the_gates_saw_is_typed_in_the_lines_own_way(string seconds, bool zoneOnly, EntryMode mode, string typed)
    {
        var saw = new GateMarks([.. seconds.Split(' ').Select(s => s == "-" ? (double?)null : double.Parse(s, System.Globalization.CultureInfo.InvariantCulture))], zoneOnly, null);
        Assert.Equal(typed, string.Join('|', LiveEntry.Typed(saw, By(mode))));
        Assert.Empty(LiveEntry.Typed(saw with { Problem = "Only one gate saw the runner." }, By(mode)));
    }

    [Theory]
    [InlineData("30 m gates 10,20,30", EntryMode.Cumulative, "10 m 2.24, 20 m 3.6, 30 m 4.88")]
    [InlineData("30 m gates 10,20,30", EntryMode.Segments, "10 m 2.24, 10–20 m 1.36, 20–30 m 1.28")]
    [InlineData("30 m gates 10,20,30", EntryMode.ZoneOnly, "10–20 m 1.36, 10–30 m 2.65")]
    [InlineData("20 m", EntryMode.ZoneOnly, "20 m 3.6")]
    [InlineData("3 x 20 m @80-100%", EntryMode.Cumulative, "20 m 3.6")]
    [InlineData("20 m log heart rate", EntryMode.Cumulative, "20 m 3.6, Heart rate")]
    public void Boxes_say_what_is_typed_and_what_is_expected(string line, EntryMode mode, string boxes) =>
        Assert.Equal(boxes, string.Join(", ", LiveEntry.Boxes(Asked(line), By(mode), DistanceUnit.Metre, MassReading.Kilogram).Select(b => b.IsMark ? $"{b.Label} {b.ExpectedSeconds:0.##}" : b.Label)));

    [Theory]
    [InlineData("20 m gates 10,20", EntryMode.Cumulative, "FirstGate 1 2 fly 10 m")]
    [InlineData("20 m gates 10,20", EntryMode.ZoneOnly, "ZoneLine 0 1 fly 10 m")]
    [InlineData("20 m", EntryMode.ZoneOnly, "FirstGate 1 20 m")]
    public void A_run_that_is_expected_is_made_as_it_will_be_logged(string line, EntryMode mode, string said)
    {
        var run = LiveEntry.Expected(Asked(line), By(mode))!;
        Assert.Equal(said, $"{run.Trigger} {string.Join(' ', run.Marks.Select(m => m.Seconds))} {RunMeaning.Against(run, null).Label}");
        Assert.Null(LiveEntry.Expected(Asked("A-skip 2 x 15 m"), By(mode)));
    }

    [Theory]
    [InlineData("20 m", "Rise")]
    [InlineData("20 build + 10 fly + 20 slow", "Upright")]
    [InlineData("five-ten-five", "SlowDown")]
    [InlineData("squat 3 x 3", "Bar")]
    [InlineData("broad jump 3", "Landing")]
    [InlineData("pogo hops 3 x 15", "Contact")]
    [InlineData("3 x 20 m bound", "Bound")]
    [InlineData("A-skip 2 x 15 m", "Upright")]
    [InlineData("hamstring stretch 2 x 30 s", "Hold")]
    public void Chips_are_of_what_the_body_does(string line, string first) => Assert.Equal(first, Chips.For(Asked(line))[0].Phase.ToString());

    [Fact]
    public void The_line_looked_at_is_the_one_asked_for_or_the_one_that_is_on_or_the_first()
    {
        var state = LiveHistory.Fresh with { Plan = SessionPlan.Empty.Add(new PlanBlock(0, "Rounds", [ShorthandLine.Read("20 m").Line!, ShorthandLine.Read("30 m").Line!], 2)) };
        var (first, second) = (state.Plan.Lines.First().Id, state.Plan.Lines.Last().Id);
        string Seen(LiveState s, int? line = null, int? round = null) => LiveSight.Of(s, Setting, LiveHistory.Start, line, round) is { Place: { } place } ? $"{place.Line.Id == second} {place.Round}" : "none";
        Assert.Equal("False 1", Seen(state with { LineId = null }));
        Assert.Equal("True 2", Seen(state with { LineId = second, Round = 2 }));
        Assert.Equal("True 1", Seen(state with { LineId = second, Round = 9 }));
        Assert.Equal("False 1", Seen(state with { LineId = second, Round = 2 }, first));
        Assert.Equal("False 2", Seen(state with { LineId = second, Round = 1 }, first, 2));
        Assert.Equal("False 1", Seen(state with { LineId = 99 }));
        Assert.Equal("none", Seen(state with { Plan = SessionPlan.Empty }));

        // Before anybody is here the clock is laid for those expected.
        var nobody = state with { People = [] };
        Assert.Equal(2, Setting.Clock(nobody).Athletes);
        Assert.Equal(1, (Setting with { Athletes = [new(1, "Ada Quillfeather"), new(2, "Bo Tranquist") { Availability = Availability.Out }] }).Clock(nobody).Athletes);
        Assert.Equal(3, Setting.Clock(state).Athletes);
    }

    [Fact]
    public void Other_work_stands_in_for_its_line_only_and_easy_work_needs_no_warning()
    {
        var person = new LivePerson(1, "Ada Quillfeather", 1) { Present = true, OtherWork = "wall drill", OtherWorkLineId = 99 };
        Assert.Equal(KeptOut.No, LiveOrder.KeptOutOf(person, Asked("20 m"), Setting));
        Assert.Equal(KeptOut.No, LiveOrder.KeptOutOf(person with { OtherWork = null, OtherWorkLineId = 0 }, Asked("20 m"), Setting));
        var state = LiveHistory.Fresh with { People = [person with { HeldReason = "calf", AllowedBy = "Dr Maris" }] };
        string Warned(string line) => LiveOrder.Of(state, Asked(line), new(1, 1, 0, 0), Setting, LiveHistory.Start)[0].Warning;
        Assert.Equal("Pain noted; full efforts allowed by Dr Maris.", Warned("20 m"));
        Assert.Equal("", Warned("walk and breathe 2 min"));
    }

    private static string Save(string marks, string more = "") => JsonSerializer.Serialize(new[]
    {
        new { verb = "Save", fields = marks.Split(' ').Select(m => $"mark={(m == "-" ? "" : m)}").Concat($"athlete=1&line=1&client={new Guid(1, 2, 3, new byte[8])}{more}".Split('&')).Select(f => f.Split('=')).ToArray() },
    });

    [Fact]
    public void A_device_knows_the_athletes_own_ranges_the_line_asked_for_and_the_clubs_exercises()
    {
        var own = ExerciseCatalogue.BuiltIn.Find("A-skip")! with { Name = "Northquay skip", Also = [] };
        var plan = LiveHistory.Plan.Add(ShorthandLine.Read("Northquay skip 2 x 15 m", new ShorthandContext(DistanceUnit.Metre, new([own]))).Line!);
        var chip = new Observation("Late knee", RunPhase.Upright, "Late knee", ["A-skip"]);
        var document = LiveDocument.Of(LiveHistory.Fresh with { Plan = plan }, Setting with { Catalogue = new([.. ExerciseCatalogue.BuiltIn.All, own]) { OwnChips = [chip] } }, "Odalys", true);
        var read = LiveDocument.Read(document.Write());
        Assert.NotNull(read.Setting.Catalogue.Find("Northquay skip"));
        Assert.Equal("Late knee", Assert.Single(read.Setting.Catalogue.OwnChips).Code);

        // What the session's lines name and no more, each once and as the club has it.
        var named = plan.Lines.Select(l => l.Exercise).OfType<string>().Distinct().Order(StringComparer.Ordinal).ToList();
        Assert.Contains("Northquay skip", named);
        Assert.Equal(named, read.Setting.Catalogue.All.Select(e => e.Name).Order(StringComparer.Ordinal));
        Assert.Equal(ExerciseJson.Write(own), ExerciseJson.Write(read.Setting.Catalogue.Find("Northquay skip")!));

        var device = LiveDevice.Open(document.Write());
        var now = new DateTimeOffset(LiveHistory.Start.AddMinutes(2)).ToUnixTimeMilliseconds();
        JsonNode Word(string fields) => JsonNode.Parse(device.Judge(fields, now))!;
        Assert.Contains("slower than this athlete's 1.75–1.80", (string)Word(Save("2.10 3.45"))["doubts"]![0]!["message"]!);
        Assert.Empty(Word(Save("1.78 3.10"))["doubts"]!.AsArray());
        Assert.Null(Word(Save("9.10 3.45"))["panel"]);

        var other = JsonNode.Parse(device.See("[]", now, plan.Lines.Last().Id, 1))!;
        Assert.Equal((plan.Lines.Last().Id, 2), ((int)other["line"]!, (int)other["reps"]!));
        Assert.Equal((1, 3), ((int)JsonNode.Parse(device.See("[]", now, 0, 1))!["line"]!, (int)JsonNode.Parse(device.See("[]", now, 0, 1))!["reps"]!));
        var panel = JsonNode.Parse(device.See(Save("1.78 3.10", "&side=Right"), now, 0, 1))!["answers"]![0]!["panel"]!;
        Assert.Equal("fly 10 m right", (string)panel["label"]!);
        var hand = LiveDevice.Open((document with { State = document.State with { Usual = new(TimingMethod.Hand, StartTrigger.FirstGate, 0) } }).Write());
        Assert.Equal("fly 10 m by hand", (string)JsonNode.Parse(hand.See(Save("1.78 3.10"), now, 0, 1))!["answers"]![0]!["panel"]!["label"]!);

        // What is heard is looked at anew, also under the same question.
        device.Hear(LiveDocument.Write(document.State with { People = [] }));
        Assert.Empty(JsonNode.Parse(device.See("[]", now, 0, 1))!["rows"]!.AsArray());
        Assert.Throws<JsonException>(() => device.Hear("null"));
        Assert.Throws<JsonException>(() => LiveDevice.Open("null"));
    }
}
