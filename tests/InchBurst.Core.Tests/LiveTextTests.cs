using System.Globalization;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.Log;
using InchBurst.Core.Make;
using InchBurst.Core.Plan;
using InchBurst.Core.School;
using InchBurst.Core.Shorthand;

namespace InchBurst.Core.Tests;

/// <summary>
/// Sessions told command by command (Files/live.txt): who asks what, when, and what comes of it. Whatever changed is told whole, and after it the order as it then stands,
/// so that nothing a command does, or leaves alone, goes unseen. Read by eye when they were written.
/// </summary>
public class LiveTextTests
{
    private static readonly DateTime Start = new(2026, 3, 1, 17, 0, 0, DateTimeKind.Utc);
    private static readonly string[] Blocks = [.. File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "Files/live.txt")).ReplaceLineEndings("\n").Split("\n\n").Select(b => b.Trim('\n')).Where(b => b.Length > 0)];

    private static readonly LiveSetting Setting = new()
    {
        Pace = DemandAthlete.UsualCurve,
        School = CoachingSchool.Usual,
        WindowSeconds = 600,
        StartIntervalSeconds = 5,
        ChangeoverSeconds = 4,
        Kit = new Dictionary<LimitedKit, int> { [LimitedKit.Box] = 1 },
        Athletes =
        [
            new(1, "Ada Quillfeather") { Bests = [new("straight||gates||FirstGate|0|", 0, 20000, 3.05), new("straight||gates||FirstGate|0|", 0, 10000, 1.5), new("fly|straight||gates||", 0, 20000, 1)], Group = LineAudience.HighMinutes },
            new(2, "Bo Tranquist") { Availability = Availability.Modified, AvailabilityReason = "calf", AvailabilitySaidBy = "Dr Maris" },
            new(3, "Chiamaka Roe") { Availability = Availability.Out, AvailabilityReason = "" },
            new(4, "Dov Maris") { Availability = Availability.Modified, AvailabilityReason = "sprained wrist" },
        ],
    };

    /// <summary>Every session of the file by its title.</summary>
    public static TheoryData<string> Titles => [.. Blocks.Select(b => b.Split('\n')[0])];

    [Theory]
    [MemberData(nameof(Titles))]
    public void A_session_goes_as_it_is_told(string title)
    {
        var expected = Blocks.Single(b => b.Split('\n')[0] == title);
        var told = Told(expected.Split('\n'));
        Assert.Equal(expected + "\n", told + "\n");
    }

    // A block is a title, the lines of the plan ("| line"), and commands ("> who +m:ss Verb fields"); the rest is what is told of them.
    private static string Told(string[] block)
    {
        var lines = block.Where(l => l.StartsWith("| ", StringComparison.Ordinal)).ToList();
        var plan = lines.Aggregate(SessionPlan.Empty, (p, l) => l.Contains(" x rounds: ", StringComparison.Ordinal)
            ? p.Add(new PlanBlock(0, "Rounds", [.. l[(l.IndexOf(": ", StringComparison.Ordinal) + 2)..].Split("; ").Select(x => ShorthandLine.Read(x).Line!)], l[2] - '0', 60))
            : p.Add(ShorthandLine.Read(l[2..]).Line!));
        var state = new LiveState
        {
            Plan = plan,
            Day = new(2026, 3, 1),
            Lanes = 2,
            Usual = new(TimingMethod.Electronic, StartTrigger.FirstGate, 0),
            Gates = [new(1, 1, [new(0, 0), new(1, 1800), new(2, 3150)]), new(2, 2, [new(0, 0), new(1, 1850), new(2, 3250)])],
        };
        var number = 0L;
        List<string> told = [block[0], .. lines];
        foreach (var line in block.Where(l => l.StartsWith("> ", StringComparison.Ordinal)))
        {
            var parts = line.Split(' ', 5);
            var now = Start + TimeSpan.ParseExact(parts[2], @"\+m\:ss", CultureInfo.InvariantCulture);
            var command = Command(parts[3], parts.ElementAtOrDefault(4) ?? "", now, state);
            var step = LiveSteps.Apply(state, command, new(now, parts[1], parts[1] is "Odalys", ExerciseCatalogue.BuiltIn) { Facts = new(8, [new(0, 10000, 1.70, 1.80, 5)]) });
            var after = Numbered(step.State, ref number);
            told.Add(line);
            told.Add($"  {step.Answer}{(step.Said is { } said ? $": {said}" : "")}{string.Concat(step.Doubts.Select(d => $"; box {d.Index} {d.Kind}{(d.IsMissing ? " missing" : "")}: {d.Message}"))}{string.Concat(step.Events.Select(e => $"; {e switch { PainNoted p => $"pain of {p.Athlete}: {p.Reason}", RunRewritten r => $"run {after.Runs.First(x => x.Id == r.Run).Number} said {r.Before}", _ => "?" }}"))}{(step.Reading is { } reading ? $"; reading {reading} back" : "")}");
            told.AddRange(Changes(state, after).Select(c => "  " + c));
            if (step.Answer == LiveAnswer.Stored)
            {
                told.Add("  " + Sight(after, now));
                if (step.Run is { } id && after.Runs.Single(r => r.Id == id) is { What.Marks.Count: > 0 } run)
                {
                    told.Add("  " + Means(after, run));
                }
            }

            state = after;
        }

        return string.Join('\n', told);
    }

    private static LiveCommand Command(string verb, string text, DateTime now, LiveState state)
    {
        var fields = text.Split('&', StringSplitOptions.RemoveEmptyEntries).Select(f => f.Split('=', 2)).Select(f => new KeyValuePair<string, string>(f[0], f[1])).ToList();
        string Of(string name) => fields.FirstOrDefault(f => f.Key == name).Value ?? "";
        long Long(string name) => long.Parse(Of(name), CultureInfo.InvariantCulture);
        LiveCommand command = verb switch
        {
            "Start" => new StartSession([.. Of("here").Split(',').Select(h => int.Parse(h.TrimEnd('-'), CultureInfo.InvariantCulture)).Select(h => (h, Setting.Athletes[h - 1].Name, !Of("here").Contains($"{h}-", StringComparison.Ordinal)))]),
            "End" => new EndSession(),
            "Reopen" => new ReopenSession(),
            "Offer" => new TakeOffer(state.Plan.Replace(1, state.Plan.Line(1)! with { Reps = 1 }), 3, "Drop 2 reps"),
            "CorrectTo" => new CorrectRun(Long("run"), [.. Of("marks").Split(' ', StringSplitOptions.RemoveEmptyEntries).Select((m, i) => new LoggedMark(Units.Distance.InMetres(10 * (i + 1)), double.Parse(m, CultureInfo.InvariantCulture)))]),
            "Move" => new MoveRun(Long("run"), (int)Long("athlete")),
            "Swap" => new SwapRuns(Long("run"), Long("other")),
            _ => LiveForms.Read(Enum.Parse<LiveVerb>(verb), fields)!,
        };
        return command with { Client = Of("client") is { Length: > 0 } c ? new Guid(c[0], 0, 0, new byte[8]) : new Guid((int)(now - Start).TotalSeconds, 7, 7, new byte[8]), At = Of("ago") is { Length: > 0 } ago ? now.AddSeconds(-double.Parse(ago, CultureInfo.InvariantCulture)) : null };
    }

    private static LiveState Numbered(LiveState state, ref long number)
    {
        var next = number;
        state = state with { Runs = [.. state.Runs.Select(r => r with { Number = r.Number > 0 ? r.Number : ++next, Readings = [.. r.Readings.Select(x => x.Number > 0 ? x : x with { Number = ++next })] })] };
        number = next;
        return state;
    }

    private static IEnumerable<string> Changes(LiveState before, LiveState after)
    {
        var (was, now) = (Lines(before), Lines(after));
        return now.Except(was).Concat(was.Except(now).Where(w => now.All(n => n.Split(':')[0] != w.Split(':')[0])).Select(w => $"gone {w}"));
    }

    private static string At(DateTime? at) => at is { } time ? $"{(time - Start).TotalMinutes:0.##}" : "-";

    private static List<string> Lines(LiveState s) =>
    [
        $"session: {s.State} from {At(s.StartedAt)} to {At(s.EndedAt)}, line {s.LineId} round {s.Round} since {At(s.LineFrom)}, called {s.Called?.ToString(CultureInfo.InvariantCulture) ?? "nobody"}, lanes {s.Lanes}",
        $"plan: {string.Join("; ", s.Plan.Lines.Select(l => ShorthandPrinter.Print(l)))}",
        $"usual: {Timing(s.Usual)}",
        .. s.Timings.Select(t => $"line {t.Key}: {Timing(t.Value)}"),
        .. s.People.Select(p => $"{p.Name}: {(p.Present ? "here" : "away")} at {p.Order}, done {p.DoneReason ?? "no"}, held {p.HeldReason ?? "no"} {p.Holds} times, allowed by {(p.AllowedBy.Length > 0 ? p.AllowedBy : "nobody")}, other {p.OtherWork ?? "no"} {p.OtherWorkLineId}"),
        .. s.Runs.Select(r => $"run {r.Number}: {(r.IsTakenBack ? "taken back, " : "")}{s.Person(r.AthleteId)?.Name} line {r.LineId} rep {r.Rep} {r.Outcome} at {At(r.FinishedAt)} by {r.By}, {r.MarksText}, {r.What.Method} {r.What.Trigger} {r.What.StartBehindGateMetres:0.##} {r.What.StartSaid} {r.What.Side} {r.What.Effort}% {r.What.Kind} {r.What.Zone}"
            + $"{string.Concat(r.Seen.Select(x => $", saw {x}"))}{string.Concat(r.Measures.Select(m => $", {m.Kind} {m.Value:0.###}"))}{(r.Conflict is { } c ? $", conflict {c}" : "")}{(r.Picked.Length > 0 ? $", picked {r.Picked}" : "")}"
            + string.Concat(r.Readings.Select(x => $" [{x.Number} {x.By} {x.Method} {x.Trigger} {string.Join(' ', x.Marks.Select(m => m.Seconds))} at {At(x.At)}{(x.IsTakenBack ? " taken back" : "")}]"))),
        .. s.Gates.Select(g => $"gate {g.Number}: {(g.UsedFor is { } used ? used == Guid.Empty ? "dismissed" : $"for run {s.Runs.First(r => r.Id == used).Number}" : "waits")}"),
    ];

    private static string Timing(LineTiming t) => $"{t.Method} {t.Trigger} {t.StartBehindGateMetres:0.##} {t.Entry} {(t.StartSaid ? "said" : "unsaid")}";

    private static string Sight(LiveState state, DateTime now)
    {
        var sight = LiveSight.Of(state, Setting, now);
        var order = string.Join(", ", sight.Order.Select(t => $"{t.Person.Name.Split(' ')[0]} rep {t.Turn.Rep} {t.Turn.State}{(t.Turn.ReadyAt is { } ready ? $" {At(ready)}" : "")}{(t.Turn.Lane > 0 ? $" lane {t.Turn.Lane}" : "")}{(t.Note.Length > 0 ? $" ({t.Note})" : "")}{(t.Warning.Length > 0 ? $" !{t.Warning}" : "")}{(t.Today.Count > 0 ? $" today {string.Join(' ', t.Today.Select(x => $"{x:0.00}"))}" : "")}"));
        var boxes = sight.Demand is null ? "" : string.Join(", ", LiveEntry.Boxes(sight.Demand, sight.Timing, Units.DistanceUnit.Metre, Units.MassReading.Kilogram).Select(b => $"{b.Label}{(b.Unit.Length > 0 ? " " + b.Unit : "")}{(b.ExpectedSeconds is { } e ? $" {e:0.##}" : "")}"));
        var offers = sight.Offers(state, Setting);
        return $"sees {sight.At + 1} of {sight.Places.Count}, round {sight.Place?.Round}, reps {sight.Turns.Reps} by {sight.Turns.RepsASet} rest {sight.Turns.RestSeconds:0.#}/{sight.Turns.SetRestSeconds:0.#} gone {sight.Turns.GoesSoFar}, planned {sight.PlannedSeconds:0}, "
            + $"{(sight.Forecast is { } f ? $"ends {f.FinishSeconds:0} behind {f.BehindSeconds:0} over {f.OverSeconds:0}" : "no forecast")}{(offers.Count > 0 ? $", {offers.Count} offers" : "")}; boxes {boxes}; order {order}";
    }

    private static string Means(LiveState state, LiveRun run)
    {
        var athlete = Setting.Athletes.Single(a => a.Id == run.AthleteId);
        var said = LiveEntry.Meaning(state, run, LiveEntry.BestBefore(state, run, athlete), 0.95);
        return $"means {said.Meaning.Label} {said.Meaning.Seconds:0.00} best {said.Meaning.BestSeconds:0.00}{(said.Meaning.IsNewBest ? " new" : "")}, change {said.ChangeSeconds:0.00}, {said.DropOff?.Advice ?? "no drop-off"}{(said.Left.Count + said.Right.Count > 0 ? $", left {string.Join(' ', said.Left.Select(t => $"{t:0.00}"))} right {string.Join(' ', said.Right.Select(t => $"{t:0.00}"))}" : "")}";
    }
}
