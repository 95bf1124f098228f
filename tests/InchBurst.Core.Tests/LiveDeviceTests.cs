using System.Text.Json;
using System.Text.Json.Nodes;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.Log;
using InchBurst.Core.School;

namespace InchBurst.Core.Tests;

/// <summary>Core on a device: text in, text out, and the same as without.</summary>
public class LiveDeviceTests
{
    private static readonly LiveSetting Setting = new()
    {
        Pace = DemandAthlete.UsualCurve,
        School = CoachingSchool.Usual,
        WindowSeconds = 2400,
        Athletes =
        [
            .. LiveHistory.Fresh.People.Select(p => new LiveAthlete(p.AthleteId, p.Name)
            {
                Curve = new(8.5, 1.2),
                BestSpeed = 8.3,
                Bests = [new("fly|straight||gates||", 10000, 20000, 1.33)],
                Ranges = [new(LiveHistory.Plan.Lines.First().Id, null, [new(0, 10000, 1.70, 1.80, 5)])],
            }),
        ],
    };

    private static readonly double Now = new DateTimeOffset(LiveHistory.Start.AddMinutes(10)).ToUnixTimeMilliseconds();
    private static readonly int Sprint = LiveHistory.Plan.Lines.First().Id;

    private static LiveDevice Device(bool isCoach = true) => LiveDevice.Open(LiveDocument.Of(LiveHistory.Fresh, Setting, "Odalys", isCoach).Write());

    private static string Save(int athlete, int rep, string marks, params (string, string)[] more) => JsonSerializer.Serialize(new object[]
    {
        new { verb = "Save", fields = marks.Split(' ').Select(m => new[] { "mark", m == "-" ? "" : m }).Concat(more.Select(m => new[] { m.Item1, m.Item2 })).Concat(new[] { new[] { "athlete", $"{athlete}" }, ["line", $"{Sprint}"], ["rep", $"{rep}"], ["client", $"{Guid.NewGuid()}"], ["at", $"{Now - 1000}"] }).ToArray() },
    });

    private static JsonNode See(LiveDevice device, string waiting, double later = 0) => JsonNode.Parse(device.See(waiting, Now + later, 0, 1))!;

    private static string Rows(JsonNode view) => string.Join(", ", view["rows"]!.AsArray().Select(r => $"{r!["athlete"]} rep {r["rep"]} {r["state"]}"));

    [Fact]
    public async Task A_session_taken_along_is_the_same_session()
    {
        for (var seed = 1; seed <= 300; seed++)
        {
            var state = LiveHistory.Fresh;
            await new LiveHistory(seed).RunAsync(
                d =>
                {
                    var step = LiveSteps.Apply(state, d.Command, LiveHistory.World(d, ExerciseCatalogue.BuiltIn));
                    state = step.State;
                    return Task.FromResult((step, state));
                },
                state,
                8);
            var document = LiveDocument.Of(state, Setting, "Odalys", true);
            var back = LiveDocument.Read(document.Write());
            Assert.Equal(JsonSerializer.Serialize(state, Whole), JsonSerializer.Serialize(back.State, Whole));
            Assert.Equal(JsonSerializer.Serialize(Setting with { Catalogue = null! }, Whole), JsonSerializer.Serialize(back.Setting with { Catalogue = null! }, Whole));
        }
    }

    private static readonly JsonSerializerOptions Whole = new() { IncludeFields = true };

    [Fact]
    public void Without_a_signal_the_order_the_rests_and_what_a_time_says_are_the_servers_own()
    {
        var device = Device();
        Assert.Equal("1 rep 1 ready, 2 rep 1 ready, 3 rep 1 ready", Rows(See(device, "[]")));
        var waiting = Save(1, 1, "1.75 3.10");
        var view = See(device, waiting);
        Assert.Equal("2 rep 1 ready, 3 rep 1 ready, 1 rep 2 resting", Rows(view));
        Assert.Equal(Now - 1000 + 120_000, (double)view["rows"]![2]!["ready"]!);
        var panel = view["answers"]![0]!["panel"]!;
        Assert.Equal(("Ada Quillfeather", "fly 10 m", "1.35", "98.5", "1.33"), ((string)panel["name"]!, (string)panel["label"]!, (string)panel["seconds"]!, (string)panel["share"]!, (string)panel["best"]!));
        Assert.Null(panel["dropOff"]);

        // When the rest is over the athlete is ready, and goes after those with fewer reps.
        Assert.Equal("2 rep 1 ready, 3 rep 1 ready, 1 rep 2 ready", Rows(See(device, waiting, 120_000)));
        Assert.Equal("2 rep 1 ready, 3 rep 1 ready, 1 rep 2 resting", Rows(See(device, waiting, 118_000)));
        Assert.NotNull(view["finish"]);

        // Nothing done for a minute ends the session a minute later, also under the same question.
        Assert.Equal((double)See(device, waiting)["finish"]! + 60, (double)See(device, waiting, 60_000)["finish"]!, 6);

        // The second rep is set beside the first, and says stop.
        var second = JsonNode.Parse(waiting)!.AsArray().Select(n => n!.ToJsonString()).Concat(JsonNode.Parse(Save(1, 2, "1.90 3.60"))!.AsArray().Select(n => n!.ToJsonString()));
        var both = See(device, $"[{string.Join(',', second)}]")["answers"]![1]!["panel"]!;
        Assert.Equal("+0.35 s on last", (string)both["change"]!);
        Assert.StartsWith("Stop here: 79.4%", (string)both["dropOff"]!, StringComparison.Ordinal);
        Assert.Equal("79.4%, under the line", (string)both["stop"]!);

        // What the server has heard of meanwhile is counted once.
        var heard = LiveSteps.Apply(LiveHistory.Fresh, LiveForms.Read(LiveVerb.Save, Fields(waiting).Select(f => new KeyValuePair<string, string>(f[0], f[1])))!, new(LiveHistory.Start.AddMinutes(10), "Odalys", true, ExerciseCatalogue.BuiltIn)).State;
        device.Hear(LiveDocument.Write(heard));
        Assert.Equal("2 rep 1 ready, 3 rep 1 ready, 1 rep 2 resting", Rows(See(device, waiting)));
        Assert.Equal("Known", (string)See(device, waiting)["answers"]![0]!["answer"]!);
    }

    [Fact]
    public void What_changed_is_taken_in_with_what_it_says_and_drawn_from_there()
    {
        var device = Device();
        Assert.Null(See(device, "[]")["last"]);
        LiveStep Do(LiveState on, string marks, int rep, int number, params (string, string)[] more)
        {
            var command = LiveForms.Read(LiveVerb.Save, Fields(Save(1, rep, marks, more)).Select(f => new KeyValuePair<string, string>(f[0], f[1])))!;
            var step = LiveSteps.Apply(on, command, new(LiveHistory.Start.AddMinutes(10), "Kofi", false, ExerciseCatalogue.BuiltIn));
            return step with { State = step.State with { Runs = [.. step.State.Runs.Select(r => r.Number == 0 ? r with { Number = number } : r)] } };
        }

        var first = Do(LiveHistory.Fresh, "1.75 3.10", 1, 7, ("seen", "reached")).State;
        device.Change(LiveChange.Between(LiveHistory.Fresh, first).Write());
        var view = See(device, "[]");
        Assert.Equal("2 rep 1 ready, 3 rep 1 ready, 1 rep 2 resting", Rows(view));
        var last = view["last"]!;
        Assert.Equal((7, "Ada Quillfeather", 1, "timed", "Kofi"), ((int)last["number"]!, (string)last["name"]!, (int)last["rep"]!, (string)last["what"]!, (string)last["by"]!));
        Assert.Equal("Reached in front", (string)Assert.Single(last["seen"]!.AsArray())!);
        Assert.Equal(["0–10 m  1.75  5.71", "10–20 m  1.35  7.41"], last["panel"]!["splits"]!.AsArray().Select(x => (string)x!));
        Assert.Null(last["panel"]!["gauge"]);
        Assert.Equal("7 Ada Quillfeather 1 1.75 at 10 m 3.10 at 20 m", string.Join(' ', view["latest"]!.AsArray().Select(r => $"{r!["number"]} {r["name"]} {r["rep"]} {r["figures"]}")));

        // The next one has a gauge, stands before it in the list, and can be taken back.
        var second = Do(first, "1.90 3.60", 2, 8, ("overrule", "true")).State;
        device.Change(LiveChange.Between(first, second).Write());
        view = See(device, "[]");
        Assert.Equal((0.794, 0.95, 1), (Math.Round((double)view["last"]!["panel"]!["gauge"]!["share"]!, 3), (double)view["last"]!["panel"]!["gauge"]!["stop"]!, view["last"]!["panel"]!["gauge"]!["earlier"]!.AsArray().Count));
        Assert.Equal([8, 7], view["latest"]!.AsArray().Select(r => (int)r!["number"]!));
        Assert.False((bool?)view["last"]!["isDone"] ?? false);
        var undone = LiveSteps.Apply(second, new UndoRun(8), new(LiveHistory.Start.AddMinutes(11), "Kofi", false, ExerciseCatalogue.BuiltIn)).State;
        device.Change(LiveChange.Between(second, undone).Write());
        view = See(device, "[]");
        Assert.Equal((7, 1), ((int)view["last"]!["number"]!, view["latest"]!.AsArray().Count));

        // What is told is what the server would tell, and expected times are the athlete's own.
        Assert.Equal(LiveDocument.Write(undone), device.Told());
        static double[] Times(string targets) => [.. JsonNode.Parse(targets)!.AsArray().Select(t => (double)t!["expectedSeconds"]!)];
        var expected = Times(device.Expected(1, Sprint));
        Assert.Equal(2, expected.Length);

        // To beat is the least of what was known and what was run today over the same stretch; the second rep was taken back.
        Assert.Equal([1.75, 3.10], JsonNode.Parse(device.Expected(1, Sprint))!.AsArray().Select(t => (double)t!["bestSeconds"]!));
        Assert.All(JsonNode.Parse(device.Expected(2, Sprint))!.AsArray(), t => Assert.Null(t!["bestSeconds"]));
        var slower = LiveDevice.Open(LiveDocument.Of(LiveHistory.Fresh, Setting with { Athletes = [Setting.Athletes[0] with { Curve = new(7.0, 1.2) }] }, "Odalys", true).Write());
        Assert.All(expected.Zip(Times(slower.Expected(1, Sprint))), e => Assert.True(e.Second > e.First));
        Assert.Equal("[]", device.Expected(99, Sprint));
        Assert.Equal("[]", device.Expected(1, 999));
    }

    private static string[][] Fields(string waiting) => [.. JsonNode.Parse(waiting)![0]!["fields"]!.AsArray().Select(f => f!.AsArray().Select(x => (string)x!).ToArray())];

    [Theory]
    [InlineData("500 300", true, "The later time must be")]
    [InlineData("1.50 2.85", false, "1.50 to 10 m")]
    [InlineData("1.75 3.10", false, null)]
    public void What_cannot_be_is_asked_about_before_it_is_kept(string marks, bool impossible, string? about)
    {
        var word = JsonNode.Parse(Device().Judge(Save(1, 1, marks), Now))!;
        var doubts = word["doubts"]!.AsArray();
        Assert.Equal(about is null, doubts.Count == 0);
        Assert.All(doubts, d => Assert.Equal(impossible, (bool?)d!["isImpossible"] ?? false));
        Assert.Equal(about is null, word["panel"] is not null);
    }

    [Fact]
    public void Half_a_rep_says_what_is_there_already_and_that_the_rest_is_missing()
    {
        var word = JsonNode.Parse(Device().Judge(Save(1, 1, "1.75 -"), Now))!;
        Assert.True((bool)Assert.Single(word["doubts"]!.AsArray())!["isMissing"]!);
        Assert.Equal(("10 m", "1.75"), ((string)word["panel"]!["label"]!, (string)word["panel"]!["seconds"]!));
        Assert.Equal("""{"doubts":[]}""", Device().Judge("""[{"verb":"Call","fields":[["athlete","1"]]}]""", Now));
    }

    [Fact]
    public void A_command_reads_the_same_from_a_form_as_it_was_meant()
    {
        var client = Guid.NewGuid();
        LiveCommand? Read(LiveVerb verb, string fields) => LiveForms.Read(verb, fields.Split('&', StringSplitOptions.RemoveEmptyEntries).Select(f => f.Split('=')).Select(f => new KeyValuePair<string, string>(f[0], f[1])).Append(new("client", $"{client}")));
        var save = Assert.IsType<SaveRep>(Read(LiveVerb.Save, "athlete=3&line=2&rep=4&side=Left&at=1772384400000&overrule=true&part=stopped&gate=7&mark=1.7&mark=&measure=200&seen=heel&seen=own"));
        Assert.Equal((3, 2, 4, Plan.Side.Left, true, PartFilled.Stopped, 7, client), (save.Athlete, save.Line, save.Rep, save.Side, save.Overrule, save.Part, save.Gate, save.Client));
        Assert.Equal(("1.7|", "200", "heel|own", new DateTime(2026, 3, 1, 17, 0, 0, DateTimeKind.Utc)), (string.Join('|', save.Marks), string.Join('|', save.Measures), string.Join('|', save.Seen), save.At));
        var bare = Assert.IsType<SaveRep>(Read(LiveVerb.Save, "athlete=3&line=2&rep=&side=&gate=&at=0"));
        Assert.Equal((null, null, null, null, false, PartFilled.Unsaid), (bare.Rep, bare.Side, bare.Gate, bare.At, bare.Overrule, bare.Part));
        LiveCommand With(LiveCommand command) => command with { Client = client };
        Assert.Equal(With(new RepOutcome(1, 2, RunOutcome.Again) { Seen = [] }) with { At = null }, Read(LiveVerb.Outcome, "athlete=1&line=2&what=again") is RepOutcome o ? o with { Seen = [] } : null, (a, b) => a is RepOutcome x && b is RepOutcome y && (x.Athlete, x.Line, x.What, x.Client) == (y.Athlete, y.Line, y.What, y.Client));
        Assert.Null(Read(LiveVerb.Outcome, "athlete=1&line=2&what=nonsense"));
        Assert.Null(Read(LiveVerb.Offer, "label=x"));
        (LiveVerb, string, LiveCommand)[] all =
        [
            (LiveVerb.Seen, "run=5&code=heel", new NoteSeen(5, "heel")), (LiveVerb.Seen, "run=5&code=heel&on=false", new NoteSeen(5, "heel", false)), (LiveVerb.Seen, "run=5&on=true", new NoteSeen(5, "")),
            (LiveVerb.Pick, "run=5&what=two", new PickReading(5, "two")), (LiveVerb.NotThis, "gate=9", new DismissGate(9)), (LiveVerb.Call, "athlete=2", new CallAthlete(2)),
            (LiveVerb.Line, "line=3", new GoToLine(3)), (LiveVerb.Line, "line=3&round=2", new GoToLine(3, 2)), (LiveVerb.Done, "athlete=1&reason=tired", new StopForToday(1, "tired")),
            (LiveVerb.Return, "athlete=1", new GoOn(1)), (LiveVerb.Arrive, "athlete=1", new Arrive(1)), (LiveVerb.Later, "athlete=1", new GoLater(1)), (LiveVerb.Other, "athlete=1&line=2&work=wall", new DoOther(1, 2, "wall")),
            (LiveVerb.Hold, "athlete=1&reason=calf", new HoldBack(1, "calf")), (LiveVerb.Allow, "athlete=1&by=Dr&holds=2", new AllowFull(1, "Dr", 2)),
            (LiveVerb.Timing, "line=2&method=Hand&trigger=Gun&entry=Segments&behind=0,5", new SetTiming(2, TimingMethod.Hand, StartTrigger.Gun, EntryMode.Segments, "0,5")),
            (LiveVerb.Reps, "line=2&by=-1", new ChangeReps(2, -1)), (LiveVerb.Undo, "run=5", new UndoRun(5)), (LiveVerb.Undo, "run=5&back=true&reading=8", new UndoRun(5, true, 8)),
        ];
        Assert.All(all, x => Assert.Equal(With(x.Item3), Read(x.Item1, x.Item2)));
    }
}
