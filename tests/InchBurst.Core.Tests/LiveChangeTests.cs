using System.Text.Json;
using System.Text.Json.Nodes;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Progress;
using InchBurst.Core.School;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Units;

namespace InchBurst.Core.Tests;

/// <summary>What is told of a change, and what a device draws from it.</summary>
public class LiveChangeTests
{
    private static readonly int Sprint = LiveHistory.Plan.Lines.First().Id;
    private static readonly int Jump = LiveHistory.Plan.Lines.ElementAt(1).Id;
    private static readonly int Skip = LiveHistory.Plan.Lines.ElementAt(3).Id;

    private static LiveState Do(LiveState state, LiveCommand command, string by = "Odalys", double minute = 5)
    {
        var step = LiveSteps.Apply(state, command.Client == Guid.Empty ? command with { Client = Guid.NewGuid() } : command, new(LiveHistory.Start.AddMinutes(minute), by, true, ExerciseCatalogue.BuiltIn));
        Assert.Equal(LiveAnswer.Stored, step.Answer);
        var next = step.State.Runs.Select(r => r.Number).Concat(step.State.Runs.SelectMany(r => r.Readings).Select(r => (long)r.Number)).DefaultIfEmpty(0).Max();
        return step.State with { Runs = [.. step.State.Runs.Select(r => r with { Number = r.Number > 0 ? r.Number : ++next, Readings = [.. r.Readings.Select(x => x.Number > 0 ? x : x with { Number = (int)++next })] }).Select(r => step.State.Runs.First(o => o.Id == r.Id) is var old && old.Number == r.Number && old.Readings.SequenceEqual(r.Readings) ? old : r)] };
    }

    private static LiveState Save(LiveState state, int athlete, int rep, string marks, string by = "Odalys", double minute = 5) => Do(
        state, new SaveRep(athlete, Sprint) { Rep = rep, Marks = marks.Split(' '), Overrule = true, At = LiveHistory.Start.AddMinutes(minute) }, by, minute);

    [Fact]
    public void Only_runs_and_order_are_told_as_a_change_and_all_else_is_wide()
    {
        var fresh = Save(LiveHistory.Fresh, 1, 1, "1.75 3.10");
        bool Wide(LiveState before, LiveState after) => LiveChange.Between(before, after).IsWide;
        Assert.False(Wide(fresh, Save(fresh, 2, 1, "1.76 3.12")));
        Assert.False(Wide(fresh, Do(fresh, new UndoRun(fresh.Runs[0].Number))));
        Assert.False(Wide(fresh, Do(fresh, new CallAthlete(2))));
        Assert.False(Wide(fresh, Do(fresh, new HoldBack(2, "calf"))));
        Assert.False(Wide(fresh, Do(fresh, new StopForToday(2, "tired"))));
        Assert.False(Wide(fresh, fresh));
        Assert.True(Wide(fresh, Do(fresh, new Arrive(4))));
        Assert.True(Wide(fresh, Do(fresh, new GoToLine(Jump))));
        Assert.True(Wide(fresh, Do(fresh, new ChangeReps(Sprint, 1))));
        Assert.True(Wide(fresh, Do(fresh, new SetTiming(Sprint, TimingMethod.Hand, StartTrigger.Gun, EntryMode.Cumulative, "0"))));
        Assert.True(Wide(fresh, Do(fresh, new EndSession())));
        Assert.True(Wide(fresh, fresh with { Usual = fresh.Usual with { Method = TimingMethod.Hand } }));
        Assert.True(Wide(fresh, fresh with { People = [.. fresh.People, new LivePerson(9, "New One", 9) { Present = true }] }));

        // A conflict is drawn with its buttons, while it comes and while it goes, also beside other runs.
        var conflict = Save(fresh, 1, 1, "1.75 3.60", "Kofi", 5.2);
        Assert.NotNull(conflict.Runs[0].Conflict);
        Assert.True(Wide(fresh, conflict));
        Assert.True(Wide(conflict, conflict with { Runs = [conflict.Runs[0] with { Conflict = null }] }));
        Assert.True(Wide(conflict, conflict with { Runs = [conflict.Runs[0] with { Conflict = null }, Save(fresh, 2, 1, "1.80 3.20").Runs[^1]] }));

        // What did not change is not told.
        var same = LiveChange.Between(fresh, Save(fresh, 2, 1, "1.76 3.12"));
        Assert.Equal((null, null, null, 0, 1), (same.Plan, same.Timings, same.Usual, same.People.Count, same.Runs.Count));
        Assert.Same(fresh.People, same.On(fresh).People);
        Assert.Same(fresh.Runs, LiveChange.Between(fresh, Do(fresh, new CallAthlete(2))).On(fresh).Runs);

        // Who comes is listed where their order puts them.
        var first = LiveChange.Between(fresh, fresh with { People = [.. fresh.People, new LivePerson(9, "New One", 0)] }).On(fresh);
        Assert.Equal([9, 1, 2, 3, 4], first.People.Select(p => p.AthleteId));
        Assert.Throws<JsonException>(() => LiveChange.Read("null"));
    }

    private static readonly LiveSetting Setting = new()
    {
        Pace = DemandAthlete.UsualCurve,
        School = CoachingSchool.Usual,
        WindowSeconds = 2400,
        Athletes = [.. LiveHistory.Fresh.People.Select(p => new LiveAthlete(p.AthleteId, p.Name) { BestSpeed = 8.3 })],
    };

    private static JsonNode See(LiveDevice device, int line = 0) => JsonNode.Parse(device.See("[]", new DateTimeOffset(LiveHistory.Start.AddMinutes(20)).ToUnixTimeMilliseconds(), line, 1))!;

    [Fact]
    public void What_was_touched_last_is_shown_and_when_it_is_gone_the_latest_run()
    {
        var device = LiveDevice.Open(LiveDocument.Of(LiveHistory.Fresh, Setting, "Odalys", true).Write());
        var state = LiveHistory.Fresh;
        void Hear(LiveState next)
        {
            device.Change(LiveChange.Between(state, next).Write());
            state = next;
        }

        Hear(Save(state, 1, 1, "1.75 3.10", minute: 5));
        Hear(Save(state, 2, 1, "1.80 3.20", minute: 6));
        Hear(Do(state, new RepOutcome(3, Sprint, RunOutcome.Skipped) { At = LiveHistory.Start.AddMinutes(4) }, minute: 7));
        Assert.Equal(("Chiamaka Roe", "skipped"), ((string)See(device)["last"]!["name"]!, (string)See(device)["last"]!["what"]!));
        Assert.Equal("skipped, 1.80 at 10 m 3.20 at 20 m, 1.75 at 10 m 3.10 at 20 m", string.Join(", ", See(device)["latest"]!.AsArray().OrderBy(r => (int)r!["number"]!).Reverse().Select(r => (string)r!["figures"]!)));

        // In the list the last finished stands first, whenever it was told.
        Assert.Equal(["Bo Tranquist", "Ada Quillfeather", "Chiamaka Roe"], See(device)["latest"]!.AsArray().Select(r => (string)r!["name"]!));

        // A second reading touches the first run again; what is not touched leaves it shown.
        Hear(Save(state, 1, 1, "1.75 3.12", "Kofi", 5.2));
        var last = See(device)["last"]!;
        Assert.Equal(("Ada Quillfeather", 2, ", the mean stands"), ((string)last["name"]!, (int)last["readings"]!, (string)last["note"]!));
        Hear(Do(state, new HoldBack(2, "calf")));
        Assert.Equal("Ada Quillfeather", (string)See(device)["last"]!["name"]!);
        Hear(Do(state, new StopForToday(1, "tired")));
        Assert.True((bool)See(device)["last"]!["isDone"]!);

        // Readings by hand and by gates: one stands, and no mean is said.
        Hear(Do(state, new SetTiming(Sprint, TimingMethod.Hand, StartTrigger.FirstGate, EntryMode.Cumulative, "0")));
        Hear(Save(state, 2, 1, "1.8 3.3", "Kofi", 6.1));
        Assert.Equal((2, ""), ((int)See(device)["last"]!["readings"]!, (string)See(device)["last"]!["note"]!));

        // Taken back, the run with the greatest number that stands is shown.
        Hear(Do(state, new RepOutcome(2, Jump, RunOutcome.NotTimed) { Seen = ["clean"], Side = Side.Left }, minute: 9));
        Assert.Equal(("left", "noted"), ((string?)See(device)["last"]!["side"] ?? "left", (string)See(device)["latest"]!.AsArray()[0]!["figures"]!));
        Hear(Do(state, new UndoRun(state.Runs[^1].Number)));
        Assert.Equal("Chiamaka Roe", (string)See(device)["last"]!["name"]!);
        Hear(Do(state, new RepOutcome(2, Skip, RunOutcome.NotTimed), minute: 10));
        Assert.Equal("no time", (string)See(device)["latest"]!.AsArray()[0]!["figures"]!);
        Hear(Do(state, new SaveRep(1, Jump) { Rep = 1, Measures = ["2.45"], At = LiveHistory.Start.AddMinutes(11) }, minute: 11));
        Assert.Equal(("measured", "Length 2.45 m"), ((string)See(device)["latest"]!.AsArray()[0]!["figures"]!, (string)See(device)["last"]!["measures"]!.AsArray()[0]!));

        // Of eleven runs ten are listed.
        for (var i = 0; i < 8; i++)
        {
            Hear(Do(state, new SaveRep(1, Jump) { Rep = 2 + i, Measures = ["2.45"], At = LiveHistory.Start.AddMinutes(12 + i) }, minute: 12 + i));
        }

        Assert.Equal(10, See(device)["latest"]!.AsArray().Count);
    }

    [Theory]
    [InlineData("20 m gates 10,20", EntryMode.Cumulative, "1.70|3.05")]
    [InlineData("20 m gates 10,20", EntryMode.Segments, "1.70|1.30")]
    [InlineData("30 m gates 10,20,30", EntryMode.Segments, "-|-|-")]
    [InlineData("20 m gates 10,20 log heart rate", EntryMode.Cumulative, "1.70|3.05|-")]
    public void The_best_to_beat_is_over_the_boxs_own_stretch(string text, EntryMode mode, string bests)
    {
        var plan = SessionPlan.Empty.Add(ShorthandLine.Read(text).Line!);
        var line = plan.Lines.First().Id;
        var state = LiveHistory.Fresh with { Plan = plan, LineId = line, Usual = LiveHistory.Fresh.Usual with { Entry = mode } };
        var run = LiveEntry.Expected(LineDemand.Of(plan.Lines.First(), ExerciseCatalogue.BuiltIn), state.TimingOf(line))!;
        LiveAthlete Known(LiveAthlete athlete) => athlete with
        {
            Bests = text.StartsWith('3') ? [] : [.. Stretches.Of(run).Where(s => s is { FromMillimetres: 0, ToMillimetres: 10000 } or { FromMillimetres: 0, ToMillimetres: 20000 } or { FromMillimetres: 10000, ToMillimetres: 20000 })
                .Select(s => new KnownBest(s.Key, s.FromMillimetres, s.ToMillimetres, (s.FromMillimetres, s.ToMillimetres) switch { (0, 10000) => 1.70, (0, 20000) => 3.05, _ => 1.30 }))],
        };
        var setting = Setting with { Athletes = [Known(Setting.Athletes[0])] };
        var targets = LiveEntry.Targets(state, LiveEntry.DemandFor(plan.Lines.First(), setting, setting.Athletes[0]), setting, setting.Athletes[0]);
        Assert.Equal(bests, string.Join('|', targets.Select(t => t.BestSeconds?.ToString("0.00", System.Globalization.CultureInfo.InvariantCulture) ?? "-")));
        Assert.Equal(LiveEntry.Boxes(LiveEntry.DemandFor(plan.Lines.First(), setting, setting.Athletes[0]), state.TimingOf(line), setting.DistanceUnit, setting.MassUnit).Select(b => b.ExpectedSeconds), targets.Select(t => t.ExpectedSeconds));
    }

    [Theory]
    [InlineData("4 x 80 m log heart rate 150-165", "150–165 bpm|")]
    [InlineData("4 x 80 m log heart rate", "|")]
    [InlineData("squat 3 x 3 80% max log load, reps", "80 kg|max 101 kg|3|")]
    [InlineData("squat 3 x 1 80% max log load, reps", "80 kg|max 101 kg||")]
    [InlineData("split squat 3 x 3 80% max log load", "80% of max|")]
    [InlineData("split squat 3 x 3 log load", "|")]
    [InlineData("loaded jump 3 x 3 vest 10 kg log load", "10 kg|")]
    [InlineData("loaded jump 3 x 3 vest 5% bm log load", "3.5 kg|")]
    [InlineData("loaded jump 3 x 3 30%bm log load", "20 kg|")]
    [InlineData("loaded jump 3 x 3 25-30%bm log load", "20 kg|")]
    [InlineData("countermovement jump 3 x 3 log height", "|best 41.5 cm")]
    [InlineData("4 x 20 m sled 30 kg log load", "30 kg|")]
    [InlineData("4 x 20 m log load", "|")]
    public void What_is_measured_has_its_aim_and_its_best_beside_it(string text, string said)
    {
        var line = ShorthandLine.Read(text).Line ?? throw new InvalidOperationException(ShorthandLine.Read(text).Problem?.Message);
        var plan = SessionPlan.Empty.Add(line);
        var state = LiveHistory.Fresh with { Plan = plan, LineId = plan.Lines.First().Id };
        var athlete = Setting.Athletes[0] with { MassKilograms = 70, Measured = [new("SQUAT", MeasureKind.Load, 101), new("countermovement jump", MeasureKind.JumpHeight, 0.415), new("SQUAT", MeasureKind.Reps, 5), new("20 m sled 30 kg", MeasureKind.Load, 30), new("20 m", MeasureKind.Load, 30)] };
        var boxes = LiveEntry.Targets(state, LiveEntry.DemandFor(plan.Lines.First(), Setting, athlete), Setting, athlete).Where(t => t.Points.Length == 0).ToList();
        Assert.Equal(said, string.Join('|', boxes.Select(t => $"{t.Aim}|{t.Best}")));
    }

    [Fact]
    public void Of_an_athlete_whose_mass_nobody_knows_the_share_is_said()
    {
        var plan = SessionPlan.Empty.Add(ShorthandLine.Read("loaded jump 3 x 3 30%bm log load").Line!);
        var athlete = Setting.Athletes[0] with { MassKilograms = null };
        var boxes = LiveEntry.Targets(LiveHistory.Fresh with { Plan = plan, LineId = plan.Lines.First().Id }, LiveEntry.DemandFor(plan.Lines.First(), Setting, athlete), Setting, athlete);
        Assert.Contains(boxes, b => b.Aim == "30% of body mass");
    }

    [Theory]
    [InlineData(101, 80, MassReading.Kilogram, 80)]
    [InlineData(101, 82, MassReading.Kilogram, 82.5)]
    [InlineData(2, 30, MassReading.Kilogram, 2.5)]
    [InlineData(100, 75, MassReading.Pound, 165 * 0.45359237)]
    public void What_is_lifted_is_what_plates_give(double maximum, double percent, MassReading mass, double kilograms) => Assert.Equal(kilograms, LiftMaximum.ToLift(maximum, percent, mass), 9);

    [Theory]
    [InlineData("2.00 2.02", "2.20 2.22", "left 2.01, right 2.21: right 9.0% slower")]
    [InlineData("2.20 2.22", "2.00 2.02", "left 2.21, right 2.01: left 9.0% slower")]
    [InlineData("2.00 2.10", "2.01 2.11", "left 2.05, right 2.06: no difference beyond error")]
    [InlineData("2.00", "2.20", "left 2.00, right 2.20: one rep a side cannot tell them apart")]
    [InlineData("2.00", "", null)]
    public void Left_against_right_is_said_only_as_far_as_it_is_known(string left, string right, string? said)
    {
        static double[] Of(string text) => [.. text.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(t => double.Parse(t, System.Globalization.CultureInfo.InvariantCulture))];
        Assert.Equal(said, LiveEntry.Sides(Of(left), Of(right), TimingMethod.Electronic));
    }
}
