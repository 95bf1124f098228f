using CsCheck;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Progress;
using InchBurst.Core.Rest;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Units;

namespace InchBurst.Core.Tests;

/// <summary>Times and measures typed in other ways than clock figures at each mark.</summary>
public class EntryTests
{
    private static readonly Distance[] Marks = [Distance.InMetres(10), Distance.InMetres(20), Distance.InMetres(30)];
    private static readonly Distance[] Fly = [Distance.InMetres(20), Distance.InMetres(30)];

    private static MarkContext In(EntryMode mode, params StretchRange[] ranges) => new() { Mode = mode, Ranges = ranges };

    [Fact]
    public void Stretches_add_up_to_clock_times()
    {
        // science.md section 1: cumulative and segment times are one thing.
        var reading = MarkEntry.Read("2.08 1.24 1.16", Marks, In(EntryMode.Segments));
        Assert.True(reading.IsClean);
        Assert.Equal([2.08, 3.32, 4.48], reading.Marks.Select(m => m.Seconds));
        Assert.False(reading.ZoneOnly);
    }

    [Fact]
    public void Stretches_without_the_run_up_are_a_flying_time()
    {
        var reading = MarkEntry.Read(["", "1.06"], Fly, In(EntryMode.Segments));
        Assert.True(reading.ZoneOnly);
        Assert.Equal([(20.0, 0.0), (30.0, 1.06)], reading.Marks.Select(m => (m.At.Metres, m.Seconds)));
    }

    [Fact]
    public void A_gap_between_stretches_is_refused_and_a_short_run_is_not()
    {
        var gap = MarkEntry.Read("2.08 - 1.16", Marks, In(EntryMode.Segments));
        Assert.True(gap.IsRefused);
        Assert.Equal(1, gap.Doubts[0].Index);
        Assert.Equal([2.08, 3.32], MarkEntry.Read(["2.08", "1.24", ""], Marks, In(EntryMode.Segments)).Marks.Select(m => m.Seconds));
    }

    [Fact]
    public void A_watch_on_the_zone_alone_has_no_box_for_the_run_up()
    {
        var reading = MarkEntry.Read("1.06", Fly, In(EntryMode.ZoneOnly));
        Assert.True(reading is { IsClean: true, ZoneOnly: true });
        Assert.Equal(1.06, reading.Marks[^1].Seconds);
        Assert.True(MarkEntry.Read("2.87 3.93", Fly, In(EntryMode.ZoneOnly)).IsRefused);

        // With one mark there is no zone, so the clock runs from the start.
        Assert.False(MarkEntry.Read("4.48", [Distance.InMetres(30)], In(EntryMode.ZoneOnly)).ZoneOnly);
    }

    [Fact]
    public void A_zone_run_has_a_flying_time_and_no_time_from_the_start()
    {
        LoggedRun Run(string trigger, params (double At, double Seconds)[] marks) => new()
        {
            Day = new(2026, 3, 1),
            Kind = WorkKind.MaxVelocity,
            Trigger = Enum.Parse<StartTrigger>(trigger),
            Zone = (20000, 30000),
            Marks = [.. marks.Select(m => new LoggedMark(Distance.InMetres(m.At), m.Seconds))],
        };
        var zone = Run("ZoneLine", (20, 0), (30, 1.06));
        Assert.Equal(1.06, zone.Segments.Single().Seconds, 9);
        Assert.Equal(10 / 1.06, zone.FastestFlying!.Value.MeanSpeed, 9);
        Assert.Empty(zone.Gates);
        Assert.Equal([(20000, 30000, 1.06)], Stretches.Of(zone).Select(s => (s.FromMillimetres, s.ToMillimetres, Math.Round(s.Seconds, 9))));
        Assert.Null(zone.Trial.StartKey);

        // A flying time does not know what started the clock, so it compares with one taken by gates from the start; a time from the start does not.
        var meaning = RunMeaning.Of(zone, [Run("FirstGate", (20, 2.87), (30, 3.91))]);
        Assert.Equal(("fly 10 m", 1.04), (meaning.Label, Math.Round(meaning.BestSeconds!.Value, 6)));
        Assert.Null(RunMeaning.Of(Run("FirstGate", (10, 2.1), (20, 3.3), (30, 4.5)) with { Zone = null }, [Run("Gun", (10, 2.0), (20, 3.2), (30, 4.4)), zone]).BestSeconds);
    }

    [Theory]
    [InlineData(3.30, 0)]
    [InlineData(3.63, 0)]
    [InlineData(3.65, 1)]
    [InlineData(2.99, 0)]
    [InlineData(2.95, 1)]
    public void A_time_eight_percent_off_the_athletes_own_range_is_asked_about(double seconds, int doubts)
    {
        var range = new StretchRange(0, 20000, 3.24, 3.37, 3);
        var reading = MarkEntry.Read([seconds.ToString(System.Globalization.CultureInfo.InvariantCulture)], [Distance.InMetres(20)], In(EntryMode.Cumulative, range));
        Assert.Equal(doubts, reading.Doubts.Count);
        Assert.False(reading.IsRefused);
        Assert.All(reading.Doubts, d => Assert.Contains("3.24–3.37", d.Message));

        // Two runs are no range yet.
        Assert.True(MarkEntry.Read(["4.10"], [Distance.InMetres(20)], In(EntryMode.Cumulative, range with { Runs = 2 })).IsClean);
    }

    [Fact]
    public void A_segment_of_12_6_metres_a_second_is_asked_about()
    {
        var reading = MarkEntry.Read("2.87 3.664", Fly, In(EntryMode.Cumulative));
        Assert.Contains("12.6 m/s", reading.Doubts.Single(d => d.Kind == DoubtKind.Unlikely).Message);
    }

    // 1 in = 0.0254 m, 1 ft = 0.3048 m and 1 lb = 0.45359237 kg by definition.
    [Theory]
    [InlineData(MeasureKind.JumpHeight, "41,5", DistanceUnit.Metre, MassReading.Kilogram, 0.415, "41.5 cm")]
    [InlineData(MeasureKind.JumpHeight, "16", DistanceUnit.Yard, MassReading.Kilogram, 0.4064, "16.0 in")]
    [InlineData(MeasureKind.JumpLength, "2.43", DistanceUnit.Metre, MassReading.Kilogram, 2.43, "2.43 m")]
    [InlineData(MeasureKind.ThrowDistance, "40", DistanceUnit.Foot, MassReading.Kilogram, 12.192, "40.00 ft")]
    [InlineData(MeasureKind.AirTime, "1.32", DistanceUnit.Metre, MassReading.Kilogram, 1.32, "1.32 s")]
    [InlineData(MeasureKind.HeartRate, "172", DistanceUnit.Metre, MassReading.Kilogram, 172, "172 bpm")]
    [InlineData(MeasureKind.Load, "100", DistanceUnit.Metre, MassReading.Pound, 45.359237, "100 lb")]
    [InlineData(MeasureKind.Reps, "3", DistanceUnit.Metre, MassReading.Kilogram, 3, "3 reps")]
    public void Measures_are_typed_in_the_clubs_units_and_read_back(MeasureKind kind, string typed, DistanceUnit distance, MassReading mass, double kept, string text)
    {
        var (value, doubt, _) = Measures.Read(typed, kind, distance, mass);
        Assert.Null(doubt);
        Assert.Equal(kept, value!.Value.Value, 9);
        Assert.Equal(text, Measures.Text(value.Value, distance, mass));
    }

    [Theory]
    [InlineData(MeasureKind.JumpHeight, "0.41", DoubtKind.Impossible, "2 to 150 cm")]
    [InlineData(MeasureKind.JumpHeight, "120", DoubtKind.Unlikely, "more than is usual")]
    [InlineData(MeasureKind.HeartRate, "17", DoubtKind.Impossible, "30 to 250 bpm")]
    [InlineData(MeasureKind.HeartRate, "171.5", DoubtKind.Impossible, "whole number")]
    [InlineData(MeasureKind.HeartRate, "220", DoubtKind.Unlikely, "more than is usual")]
    [InlineData(MeasureKind.Load, "heavy", DoubtKind.Impossible, "not a number")]
    [InlineData(MeasureKind.Load, "-20", DoubtKind.Impossible, "not a number")]
    public void Measures_that_cannot_be_are_refused_and_odd_ones_asked_about(MeasureKind kind, string typed, DoubtKind doubt, string words)
    {
        var (value, said, message) = Measures.Read(typed, kind, DistanceUnit.Metre, MassReading.Kilogram);
        Assert.Equal(doubt, said);
        Assert.Contains(words, message);
        Assert.Equal(doubt == DoubtKind.Unlikely, value is not null);
    }

    [Theory]
    [InlineData("countermovement jump 3 x 5 reps log height")]
    [InlineData("broad jump 3 x 3 reps log length")]
    [InlineData("overhead back throw 3 x 3 reps log distance, air time")]
    [InlineData("squat 3 x 3 reps 75% max rest 2:00 log load, reps")]
    [InlineData("2 x 20 up + 20 back + 40 up + 40 m back rest 1:00 log time, heart rate")]
    [InlineData("4 x 80 m @60% rest 1:00 log heart rate 130–150, time")]
    [InlineData("4 x 80 m @60% rest 1:00 log heart rate 150")]
    [InlineData("countermovement jump 3 x 5 reps log touch height, box height")]
    public void A_line_says_what_else_to_log(string text)
    {
        var line = ShorthandLine.Read(text).Line!;
        Assert.Equal(text, ShorthandPrinter.Print(line));
        var back = PlanJson.Read(PlanJson.Write(SessionPlan.Empty.Add(line))).Lines.Single();
        Assert.Equal(line.Log, back.Log);
        Assert.Equal(line.HeartRate, back.HeartRate);
    }

    [Theory]
    [InlineData("log heart rate 130-150", 130, 150, null)]
    [InlineData("log heart rate 130 to 150 bpm", 130, 150, null)]
    [InlineData("log heart rate 30-250 rest 1:00", 30, 250, null)]
    [InlineData("log heart rate 140 bpm", 140, 140, null)]
    [InlineData("log heart rate 29-150", 0, 0, "whole number from 30 to 250")]
    [InlineData("log heart rate 130-251", 0, 0, "whole number from 30 to 250")]
    [InlineData("log heart rate 130.5-150", 0, 0, "whole number from 30 to 250")]
    [InlineData("log heart rate 130-fast", 0, 0, "whole number from 30 to 250")]
    [InlineData("log heart rate 150-130", 0, 0, "rises: 130-150")]
    public void Heart_rates_to_stay_within_are_said_where_they_are_asked_for(string part, int least, int most, string? problem)
    {
        var (line, wrong) = ShorthandLine.Read("4 x 80 m @60% " + part);
        Assert.Equal(problem is null ? new HeartBand(least, most) : null, line?.HeartRate);
        Assert.Contains(problem ?? "", wrong?.Message ?? "", StringComparison.Ordinal);
        Assert.Equal(problem is null, wrong is null);
    }

    [Theory]
    [InlineData("5:22", 322.0, null)]
    [InlineData("322", 322.0, null)]
    [InlineData("28:30", 1710.0, null)]
    [InlineData("28:40", 0.0, "at most 28:34")]
    [InlineData("5:72", 0.0, "or minutes, such as 5:22")]
    public void A_shuttle_test_takes_minutes(string typed, double seconds, string? refused)
    {
        var demand = LineDemand.Of(ShorthandLine.Read("1200 m @60% log time").Line!, ExerciseCatalogue.BuiltIn);
        var reading = MarkEntry.Read(typed, LineMarks.Expected(demand), MarkContext.Of(demand, 0, null));
        Assert.Equal(seconds, reading.Marks.FirstOrDefault().Seconds);
        Assert.Contains(refused ?? "", reading.Doubts.FirstOrDefault()?.Message ?? "", StringComparison.Ordinal);
        Assert.Equal(refused is not null, reading.IsRefused);
    }

    [Theory]
    [InlineData("300", "slow for a sprint")]
    [InlineData("300.01", "at most 300 s")]
    [InlineData("5:01", "at most 300 s")]
    public void A_sprint_takes_no_minutes(string typed, string said)
    {
        var demand = LineDemand.Of(ShorthandLine.Read("30 m").Line!, ExerciseCatalogue.BuiltIn);
        Assert.Contains(said, MarkEntry.Read(typed, LineMarks.Expected(demand), MarkContext.Of(demand, 0, null)).Doubts[0].Message, StringComparison.Ordinal);
    }

    private static IReadOnlyList<Distance> Timed(string line) => LineMarks.Expected(LineDemand.Of(ShorthandLine.Read(line).Line!, ExerciseCatalogue.BuiltIn));

    [Fact]
    public void A_shuttle_is_timed_when_it_is_run_hard_or_asked_for_and_what_is_unknown_is_refused_at_its_word()
    {
        Assert.Equal(120, Timed("20 up + 20 back + 40 up + 40 back @60% log time, heart rate").Single().Metres);
        Assert.Equal([MeasureKind.HeartRate], ShorthandLine.Read("20 up + 20 back log time, heart rate").Line!.AskedMeasures);
        Assert.Empty(Timed("20 up + 20 back @60%"));
        Assert.Equal(40, Timed("20 up + 20 back @70%").Single().Metres);
        Assert.Contains("heigth", ShorthandLine.Read("broad jump 3 x 3 log heigth").Problem!.Message);
        Assert.Contains("Log what?", ShorthandLine.Read("broad jump 3 x 3 log").Problem!.Message);
    }
}

/// <summary>Passes of gates turned into times at marks.</summary>
public class GateFeedTests
{
    private static readonly Distance[] Fly = [Distance.InMetres(20), Distance.InMetres(30)];

    private static List<GatePass> Passes(params (int Gate, double Ms)[] passes) => [.. passes.Select(p => new GatePass(p.Gate, p.Ms))];

    [Fact]
    public void One_gate_more_than_marks_starts_the_clock()
    {
        var read = GateFeed.Read(Passes((0, 1000), (1, 3870), (2, 4930)), Fly);
        Assert.Equal([2.87, 3.93], read.Seconds.Select(s => s!.Value));
        Assert.False(read.ZoneOnly);
    }

    [Fact]
    public void As_many_gates_as_marks_time_the_zone_alone()
    {
        var read = GateFeed.Read(Passes((1, 4930), (0, 3870)), Fly);
        Assert.True(read.ZoneOnly);
        Assert.Equal([0, 1.06], read.Seconds.Select(s => s!.Value));
    }

    [Fact]
    public void The_trunk_counts_and_not_the_arm_before_it_and_a_gate_that_saw_nothing_leaves_its_mark_open()
    {
        Distance[] three = [Distance.InMetres(10), .. Fly];
        Assert.Equal([1.9, 3.1, 4.2], GateFeed.Read(Passes((0, 0), (1, 1850), (1, 1900), (2, 3100), (3, 4200)), three).Seconds.Select(s => s!.Value));
        Assert.Equal([1.9, null, 3.93], GateFeed.Read(Passes((0, 0), (1, 1900), (3, 3930)), three).Seconds);
    }

    [Theory]
    [InlineData("0:0", "Only one gate")]
    [InlineData("0:0 1:-5 2:100", "another order")]
    [InlineData("1:10 2:100", "missed the start")]
    [InlineData("0:0 1:10 2:20 3:30", "4 gates reported, and this line expects 2 marks")]
    public void What_makes_no_time_says_why(string passes, string words)
    {
        var read = GateFeed.Read(Passes([.. passes.Split(' ').Select(p => p.Split(':')).Select(p => (int.Parse(p[0], System.Globalization.CultureInfo.InvariantCulture), double.Parse(p[1], System.Globalization.CultureInfo.InvariantCulture)))]), Fly);
        Assert.Contains(words, read.Problem);
    }
}

/// <summary>One rep read by two people, sides, drop-off, what was seen.</summary>
public class ReadingsTests
{
    private static readonly DateTime Now = new(2026, 3, 1, 17, 0, 0, DateTimeKind.Utc);

    private static Reading By(string who, double seconds, TimingMethod method = TimingMethod.Electronic, int after = 0, StartTrigger trigger = StartTrigger.FirstGate) =>
        new(who, method, trigger, [new(Distance.InMetres(20), seconds - 1.06), new(Distance.InMetres(30), seconds)], Now.AddSeconds(after));

    [Fact]
    public void Readings_that_agree_are_averaged()
    {
        var combined = Readings.Combine([By("a", 3.92), By("b", 3.94, after: 20)]);
        Assert.True(combined is { IsMean: true, Conflict: null });
        Assert.Equal([2.87, 3.93], combined.Marks.Select(m => m.Seconds));
        Assert.True(Readings.Combine([By("a", 5.6, TimingMethod.Hand), By("b", 5.8, TimingMethod.Hand)]).IsMean);
    }

    [Fact]
    public void Readings_that_differ_wait_for_a_person_and_the_first_one_stands()
    {
        var combined = Readings.Combine([By("a", 3.93), By("b", 3.39, after: 5)]);
        Assert.Equal(3.93, combined.Marks[^1].Seconds);
        Assert.Contains("differ by 0.54 s", combined.Conflict);
        Assert.Equal(3.66, Readings.Mean([By("a", 3.93), By("b", 3.39)]).Marks[^1].Seconds, 9);
        Assert.NotNull(Readings.Combine([By("a", 5.5, TimingMethod.Hand), By("b", 5.8, TimingMethod.Hand)]).Conflict);
    }

    [Fact]
    public void Electronic_stands_before_hand_and_they_are_never_averaged()
    {
        var combined = Readings.Combine([By("watch", 3.7, TimingMethod.Hand), By("gates", 3.93)]);
        Assert.Equal((3.93, TimingMethod.Electronic, false), (combined.Marks[^1].Seconds, combined.Method, combined.IsMean));
        Assert.Null(combined.Conflict);
    }

    [Fact]
    public void Entries_far_apart_in_time_may_be_two_runs()
    {
        Assert.Null(Readings.Combine([By("a", 3.93), By("b", 3.93, after: 90)]).Conflict);
        Assert.Contains("two runs", Readings.Combine([By("a", 3.93), By("b", 3.93, after: 91)]).Conflict);
        Assert.Contains("triggers", Readings.Combine([By("a", 3.93), By("b", 3.93, trigger: StartTrigger.Gun)]).Conflict);
        Assert.Throws<ArgumentException>(() => Readings.Combine([]));
    }

    [Fact]
    public void Whatever_is_read_the_marks_that_stand_rise_and_lie_between_the_readings()
    {
        var reading = Gen.Select(Gen.Int[200, 500], Gen.Int[1, 300], Gen.Int[0, 1], Gen.Int[0, 200]);
        reading.Array[1, 5].Sample(all =>
        {
            var readings = all.Select((r, i) => new Reading($"{i}", (TimingMethod)r.Item3, StartTrigger.FirstGate, [new(Distance.InMetres(20), r.Item1 / 100.0), new(Distance.InMetres(30), (r.Item1 + r.Item2) / 100.0)], Now.AddSeconds(r.Item4))).ToList();
            foreach (var combined in new[] { Readings.Combine(readings), Readings.Mean([.. readings.Where(r => r.Method == readings[0].Method)]) })
            {
                var same = readings.Where(r => r.Method == combined.Method).ToList();
                Assert.True(combined.Marks[1].Seconds > combined.Marks[0].Seconds);
                for (var mark = 0; mark < 2; mark++)
                {
                    Assert.InRange(combined.Marks[mark].Seconds, same.Min(r => r.Marks[mark].Seconds) - 1e-4, same.Max(r => r.Marks[mark].Seconds) + 1e-4);
                }
            }

            // Hand readings never stand where an electronic one exists, and a mean is never made of a conflict.
            Assert.Equal(readings.Any(r => r.Method == TimingMethod.Electronic) ? TimingMethod.Electronic : TimingMethod.Hand, Readings.Combine(readings).Method);
            Assert.False(Readings.Combine(readings) is { IsMean: true, Conflict: not null });
        }, iter: 1000);
    }

    [Fact]
    public void Marks_only_one_of_them_has_are_kept()
    {
        var one = By("a", 3.93) with { Marks = [new(Distance.InMetres(30), 3.93)] };
        var two = By("b", 3.93) with { Marks = [new(Distance.InMetres(20), 2.87), new(Distance.InMetres(30), 3.95)] };
        Assert.Equal([2.87, 3.94], Readings.Combine([one, two]).Marks.Select(m => m.Seconds));
    }

    [Fact]
    public void A_side_is_called_slower_only_beyond_the_error()
    {
        // (2.00 - 1.95) / 2.00 = 2.5%; with two reps a side that agree, the clock's 10 ms is the error: 1.96 x 10 ms x sqrt(1/2 + 1/2) = 19.6 ms.
        var gap = SideGap.Of([1.95, 1.95], [2.00, 2.00], TimingMethod.Electronic)!;
        Assert.Equal((0.025, true, true), (Math.Round(gap.Share, 9), gap.IsLeftBetter, gap.IsBeyondError));
        Assert.Equal(0.0196 / 2.00, gap.ErrorShare, 4);
        Assert.False(SideGap.Of([1.95, 1.95], [1.969, 1.969], TimingMethod.Electronic)!.IsBeyondError);
        Assert.True(SideGap.Of([1.971, 1.971], [1.95, 1.95], TimingMethod.Electronic) is { IsBeyondError: true, IsLeftBetter: false });
        Assert.False(SideGap.Of([1.9, 1.9], [2.0, 2.0], TimingMethod.Hand)!.IsBeyondError);

        // One rep a side tells nothing of the athlete's own scatter.
        Assert.True(SideGap.Of([1.95], [2.30], TimingMethod.Electronic) is { IsBeyondError: false, ErrorShare: 1 });

        // Scatter of the athlete's own reps widens the error: 1.90 and 2.00 against 1.97 and 2.03 are the same within it.
        Assert.False(SideGap.Of([1.90, 2.00], [1.97, 2.03], TimingMethod.Electronic)!.IsBeyondError);
        Assert.Null(SideGap.Of([1.95], [], TimingMethod.Electronic));
    }

    // Stop rule of science.md section 6: below 95% of the best (common practice).
    [Theory]
    [InlineData(1.10, true, "under the 95% line")]
    [InlineData(1.09, false, "one more at most")]
    [InlineData(1.06, false, "above the line")]
    [InlineData(1.03, false, "Best of the day")]
    public void The_stop_line_stands_at_95_percent(double last, bool stop, string words)
    {
        var reading = DropOff.Read([1.06, 1.04, last])!;
        Assert.Equal(stop, reading.SaysStop);
        Assert.Contains(words, reading.Advice);
        Assert.Equal(Math.Min(1.04, last) / last, reading.Share, 9);
        Assert.Equal(2, reading.Earlier.Count);
    }

    [Fact]
    public void Drop_off_may_be_read_against_the_season_and_needs_something_to_compare()
    {
        Assert.Null(DropOff.Read([1.06]));
        Assert.Null(DropOff.Read([]));
        Assert.Equal(1.00 / 1.06, DropOff.Read([1.06], seasonBest: 1.00)!.Share, 9);
        Assert.True(DropOff.Read([1.06], 0.97, seasonBest: 1.00)!.SaysStop);
        Assert.False(DropOff.Read([0.99], 0.97, seasonBest: 1.00)!.SaysStop);
    }

    [Fact]
    public void Every_fault_leads_to_drills_the_catalogue_knows()
    {
        var catalogue = ExerciseCatalogue.BuiltIn;
        Assert.All(Observations.All.SelectMany(o => o.Drills), d => Assert.NotNull(catalogue.Find(d)));
        Assert.All(Observations.All.Where(o => !o.IsGood && o.Phase != RunPhase.Body), o => Assert.NotEmpty(o.Drills));
        Assert.Equal(Observations.All.Count, Observations.All.Select(o => o.Code).Distinct().Count());
        Assert.All(Enum.GetValues<RunPhase>(), p => Assert.Contains(Observations.For([p]), o => o.StopsFullEfforts));
        Assert.Equal(Enum.GetValues<RunPhase>().Where(p => p != RunPhase.Own).Order(), Observations.All.Select(o => o.Phase).Distinct().Order());
    }

    [Fact]
    public void The_fault_seen_most_comes_first_with_its_drills()
    {
        var most = Observations.Most([(1, "reached"), (2, "reached"), (1, "popped-up"), (3, "clean"), (3, "tight"), (4, "heavy legs today"), (1, "reached"), (5, "Heavy legs today")], ExerciseCatalogue.BuiltIn);

        // Own words count like chips, whatever their case; what is good and what the body says are no faults.
        Assert.Equal(["reached", "heavy legs today", "popped-up"], most.Select(f => f.Seen.Code));
        Assert.Equal((2, 2, 0), (most[1].Times, most[1].Athletes, most[1].Drills.Count));
        Assert.Equal((3, 2), (most[0].Times, most[0].Athletes));
        Assert.Equal("ankle dribble", most[0].Drills[0].Name);
        Assert.Equal("heavy legs today", Observations.Says("heavy legs today"));
    }

    [Theory]
    [InlineData("squat 3 x 5", "Bar")]
    [InlineData("front plank 3 x 30 s", "Hold")]
    [InlineData("overhead back throw 3 x 3", "Drive, Arms")]
    [InlineData("broad jump 3 x 3", "Landing, Drive, Arms")]
    [InlineData("pogo hops 2 x 10", "Contact, Landing, Arms")]
    [InlineData("3 x 20 m bound", "Bound, Contact, Arms")]
    [InlineData("cut forty-five 4 x 16 m", "SlowDown, Drive, Arms")]
    [InlineData("3 x 20 build + 10 fly + 20 slow", "Upright, Contact, Arms, Rise")]
    [InlineData("4 x 20 m", "Rise, Drive, Start, Arms, Contact, SlowDown")]
    [InlineData("sled 20%bm 4 x 20 m", "Rise, Drive, Start, Arms, Contact, SlowDown")]
    [InlineData("A-skip 2 x 20 m", "Upright, Contact, Arms")]
    public void What_can_be_tapped_follows_what_the_body_does(string line, string phases)
    {
        var chips = Chips.For(LineDemand.Of(ShorthandLine.Read(line).Line!, ExerciseCatalogue.BuiltIn));
        Assert.Equal(phases, string.Join(", ", chips.Where(o => !o.IsGood && o.Phase != RunPhase.Body).Select(o => o.Phase).Distinct()));
        Assert.Equal(2, chips.Count(o => o.Phase == RunPhase.Body));
        Assert.Single(chips, o => o.IsGood);
        Assert.Equal(chips.Count, chips.Distinct().Count());
    }

    // A rep with fewer figures than marks is asked about once, and each answer makes of it what it says.
    [Theory]
    [InlineData("3.35|", "Unsaid", "", "Unlikely 1 No time at 30 m.")]
    [InlineData("|4.40", "Unsaid", "", "Unlikely 0 No time at 20 m.")]
    [InlineData("3.35", "Unsaid", "", "Unlikely 1 No time at 30 m.")]
    [InlineData("3.35|-", "Unsaid", "20 m 3.35", "")]
    [InlineData("3.35|", "GateMissed", "20 m 3.35", "")]
    [InlineData("|4.40", "GateMissed", "30 m 4.4", "")]
    [InlineData("3.35|", "Stopped", "20 m 3.35", "")]
    [InlineData("|4.40", "Stopped", "", "Impossible 0 A time stands after 20 m, so the athlete did not stop there.")]
    [InlineData("1.05|", "ZoneOnly", "20 m 0, 30 m 1.05", "")]
    [InlineData("|1.05", "ZoneOnly", "20 m 0, 30 m 1.05", "")]
    [InlineData("0.50|", "ZoneOnly", "", "Impossible 0 20 m to 30 m in 0.50 is 20.0 m/s: faster than anyone has run.")]
    [InlineData("3.35|4.40", "Unsaid", "20 m 3.35, 30 m 4.4", "")]
    [InlineData("|", "GateMissed", "", "Impossible 0 Type a time first.")]
    public void A_part_filled_rep_is_asked_about(string typed, string part, string marks, string doubts)
    {
        var reading = MarkEntry.Read(typed.Split('|'), [Distance.InMetres(20), Distance.InMetres(30)], new() { Part = Enum.Parse<PartFilled>(part) });
        Assert.Equal(doubts, string.Join(" / ", reading.Doubts.Select(d => $"{d.Kind} {d.Index} {d.Message}")));
        Assert.Equal(doubts.StartsWith("Unlikely", StringComparison.Ordinal), reading.AsksWhy);
        if (doubts.Length == 0)
        {
            Assert.Equal(marks, string.Join(", ", reading.Marks.Select(m => FormattableString.Invariant($"{m.At} {m.Seconds}"))));
        }
    }

    [Theory]
    [InlineData("4 x 20 m", true)]
    [InlineData("4 x 20 m @75%", false)]
    [InlineData("A-skip 2 x 15 m", false)]
    [InlineData("broad jump 3 x 3", true)]
    [InlineData("3 x 20 build + 10 fly @70% tow +3%v", true)]
    [InlineData("cool-down 5 min", false)]
    public void Pain_stops_what_is_run_hard(string line, bool stops) => Assert.Equal(stops, LineDemand.Of(ShorthandLine.Read(line).Line!, ExerciseCatalogue.BuiltIn).Tissues != Tissues.None);
}
