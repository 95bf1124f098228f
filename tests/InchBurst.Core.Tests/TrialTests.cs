using CsCheck;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Season;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;

namespace InchBurst.Core.Tests;

/// <summary>Results compare within one trial, and comparing is an equivalence.</summary>
public class TrialTests
{
    private static readonly string[] Texts =
    [
        "20 m", "30 m gates 10,20,30", "20 m from 3-point", "20 m from moving 5 m", "20 m from moving", "20 m sled 10 kg", "20 m sled 22 lb", "20 m sled -10%v", "heavy sled 15 m", "20 m from half-kneeling left", "five-ten-five", "5 + turn 180 left + 10 + turn 180 right + 5 m",
        "20 m tow +5%v", "20 m uphill 5%", "20 build + 10 fly + 20 slow", "20 m bound + 20 m", "8 m + cut 45 left + 8 m", "10 fast + 10 float + 10 m fast",
    ];

    private static Trial Of(string text, TimingMethod method = TimingMethod.Electronic, StartTrigger trigger = StartTrigger.FirstGate, double behind = 0, Side? side = null, Surface surface = Surface.Unsaid) =>
        Trial.Of(LineDemand.Of(ShorthandLine.Read(text).Line!, ExerciseCatalogue.BuiltIn), method, trigger, behind, side, surface);

    private static LoggedRun Run(string text, string marks, double behind = 0, TimingMethod method = TimingMethod.Electronic, StartTrigger trigger = StartTrigger.FirstGate)
    {
        var demand = LineDemand.Of(ShorthandLine.Read(text).Line!, ExerciseCatalogue.BuiltIn);
        var zone = LineMarks.Zone(demand);
        return new()
        {
            Day = new(2026, 5, 1),
            Kind = demand.Line.Kind,
            Effort = demand.HardestEffort,
            Method = method,
            Trigger = trigger,
            StartBehindGateMetres = behind,
            Start = demand.Line.Start?.Position,
            RunInMetres = demand.Line.Start?.RunIn?.Metres,
            Course = Trial.CourseKey(demand.Course),
            Load = Trial.LoadKey(demand.AppliedLoad),
            Zone = zone is var (from, to) ? (from.Millimetres, to.Millimetres) : null,
            Marks = [.. marks.Split(' ').Select(p => p.Split(':')).Select(p => new LoggedMark(Distance.InMetres(double.Parse(p[0], System.Globalization.CultureInfo.InvariantCulture)), double.Parse(p[1], System.Globalization.CultureInfo.InvariantCulture)))],
        };
    }

    [Fact]
    public void Comparing_is_an_equivalence()
    {
        var trials = Gen.Select(Gen.Int[0, Texts.Length - 1], Gen.Int[0, 2], Gen.Int[0, 3], Gen.Int[0, 30], Gen.Int[0, 2], Gen.Int[0, 6]).Select((t, m, g, b, s, on) => Of(Texts[t], (TimingMethod)m, (StartTrigger)g, b / 20.0, s == 0 ? null : (Side)(s - 1), (Surface)on));
        Gen.Select(trials, trials, trials).Sample((a, b, c) =>
        {
            foreach (var key in new Func<Trial, string?>[] { t => t.StartKey, t => t.FlyingKey })
            {
                bool Same(Trial x, Trial y) => key(x) is { } k && k == key(y);
                Assert.True(Same(a, a) || key(a) is null);
                Assert.Equal(Same(a, b), Same(b, a));
                Assert.True(!(Same(a, b) && Same(b, c)) || Same(a, c));
            }

            // Whatever sets two trials apart sets their keys apart.
            var differs = a.Course != b.Course || a.Load != b.Load || a.Method != b.Method || a.Start != b.Start || a.RunInMetres != b.RunInMetres || a.Trigger != b.Trigger || a.Side != b.Side || a.Surface != b.Surface || Math.Abs(a.StartBehindGateMetres - b.StartBehindGateMetres) > 0.051;
            Assert.True(!differs || a.StartKey is null || a.StartKey != b.StartKey);
            Assert.True(a.Surface == b.Surface || a.FlyingKey != b.FlyingKey);
        }, iter: 3000);
    }

    [Fact]
    public void What_is_the_same_course_or_load_in_other_words_is_one_trial()
    {
        Assert.Equal(Of("20 m").StartKey, Of("30 m gates 10,20,30").StartKey);
        Assert.Equal(Of("20 m").StartKey, Of("20 build + 10 fly + 20 slow").StartKey);
        Assert.Equal(Of("20 m sled 10 kg").StartKey, Of("20 m sled 22 lb").StartKey);
        Assert.Equal(Of("20 m as conditioning").StartKey, Of("20 m").StartKey);
        Assert.NotEqual(Of("five-ten-five").StartKey, Of("5 + turn 180 left + 10 + turn 180 right + 5 m").StartKey);
        Assert.Equal(Of("five-ten-five").StartKey, Of("5-10-5").StartKey);

        // Flying times do not know what started the clock nor how far back, but how they were held back and by what they were timed.
        Assert.Equal(Of("20 m").FlyingKey, Of("20 m from 3-point", behind: 0.5, trigger: StartTrigger.Gun).FlyingKey);
        Assert.NotEqual(Of("20 m").FlyingKey, Of("20 m from moving 5 m").FlyingKey);
        Assert.NotEqual(Of("20 m").FlyingKey, Of("20 m sled 10 kg").FlyingKey);
        Assert.Equal(3, Enum.GetValues<TimingMethod>().Select(m => Of("20 m", m).FlyingKey).Distinct().Count());
        Assert.Equal(3, Enum.GetValues<TimingMethod>().Select(m => Of("20 m", m).StartKey).Distinct().Count());
        Assert.Equal(Of("20 m").StartKey, Of("20 m", behind: 0.02).StartKey);
        Assert.NotEqual(Of("20 m").StartKey, Of("20 m", behind: 0.3).StartKey);
    }

    [Theory]
    [InlineData("20 m", "")]
    [InlineData("20 m from 3-point", "from 3-point")]
    [InlineData("20 m from moving 5 m", "from moving 5 m")]
    [InlineData("20 m sled 10 kg", "sled 10 kg")]
    [InlineData("20 m sled 20%bm", "sled 20% of body mass")]
    [InlineData("20 m sled -10%v", "sled −10% of speed")]
    [InlineData("20 m uphill 5%", "uphill 5%")]
    [InlineData("20 m uphill 5deg", "uphill 5°")]
    [InlineData("heavy sled 15 m", "sled heavy")]
    [InlineData("20 m parachute", "parachute")]
    public void A_trial_says_what_sets_it_apart(string text, string words) => Assert.Equal(words, Of(text).Words);

    [Fact]
    public void Words_name_side_trigger_start_and_watch()
    {
        Assert.Equal("from half-kneeling, left, from the gun, start 0.5 m back, by hand", Of("20 m from half-kneeling left", TimingMethod.Hand, StartTrigger.Gun, 0.5, Side.Left).Words);
        Assert.Equal("from film, on artificial turf", Of("20 m", TimingMethod.Film, surface: Surface.Turf).Words);
        Assert.Equal(["gates", "by hand", "from film"], Enum.GetValues<TimingMethod>().Select(TimingWords.Of));
        Assert.Equal(("", " by hand", ", from film"), (TimingWords.After(TimingMethod.Electronic), TimingWords.After(TimingMethod.Hand), TimingWords.After(TimingMethod.Film, ", ")));
        Assert.Equal((0.01, 0.1, 0.01), (TimingError.Seconds(TimingMethod.Electronic), TimingError.Seconds(TimingMethod.Hand), TimingError.Seconds(TimingMethod.Film)));
        Assert.Equal("by hand, on artificial turf", Of("20 m", TimingMethod.Hand, surface: Surface.Turf).Words);
        Assert.Equal(["", "on the track", "on grass", "on artificial turf", "in the hall", "on road", "on sand"], Enum.GetValues<Surface>().Select(on => Of("20 m", surface: on).FlyingWords));
        Assert.Equal("from the first movement", Of("20 m", trigger: StartTrigger.FirstMove).Words);
        Assert.Equal("by hand", Of("20 m from half-kneeling left", TimingMethod.Hand, StartTrigger.Gun, 0.5, Side.Left).FlyingWords);
        Assert.Equal("from moving 5 m", Of("20 m from moving 5 m").FlyingWords);
        Assert.Equal("5-10-5", Trial.CourseWords(Of("five-ten-five").Course));
        Assert.Equal("8 m, turn 45° left, 8 m", Trial.CourseWords(Of("8 m + cut 45 left + 8 m").Course));
        Assert.Equal("20 m bound, 20 m", Trial.CourseWords(Of("20 m bound + 20 m").Course));
        Assert.Equal("straight", Trial.CourseWords(Of("20 m").Course));
        Assert.True(Of("20 m tow +5%v").IsAssisted && Of("20 m downhill 2%").IsAssisted && Of("20 m band +5%v").IsAssisted);
        Assert.False(Of("20 m band -5%v").IsAssisted || Of("20 m band light").IsAssisted || Of("20 m").IsAssisted || Of("20 m sled 5 kg").IsAssisted);
    }

    [Fact]
    public void Courses_turned_loads_and_moving_starts_are_never_a_best_of_a_plain_run()
    {
        LoggedRun[] runs =
        [
            Run("20 m", "10:2.1 20:3.3"), Run("five-ten-five", "20:4.95"), Run("20 m sled 10 kg", "10:2.4 20:4.0"), Run("20 m sled 40 kg", "10:3.0 20:5.2"), Run("20 m from moving 5 m", "10:1.5 20:2.6"), Run("20 m", "10:1.8 20:3.0", 0.5),
            Run("20 m", "10:1.9 20:3.1", method: TimingMethod.Hand), Run("20 m tow +5%v", "10:2.0 20:3.1"),
            Run("20 m", "10:1.95 20:3.15") with { Surface = Surface.Grass }, Run("20 m", "10:1.85 20:3.05") with { Surface = Surface.Track },
        ];
        for (var i = 0; i < runs.Length; i++)
        {
            for (var j = 0; j < runs.Length; j++)
            {
                Assert.Equal(i == j, RunMeaning.Comparable(runs[i], runs[j]));
                Assert.Equal(i == j ? runs[i].Marks[^1].Seconds : (double?)null, RunMeaning.Of(runs[i], [runs[j]]).BestSeconds);
            }
        }

        // A turning, helped or hand-timed stretch is no top speed.
        Assert.Null(Run("10 m + turn 180 left + 20 m", "10:2.1 15:3.3 30:4.9").FastestFlying);
        Assert.Null(Run("30 m tow +5%v", "20:3.2 30:4.2").FastestFlying);
        Assert.NotNull(Run("30 m sled 5 kg", "20:3.2 30:4.4").FastestFlying);
    }

    [Fact]
    public void The_headline_of_a_fly_is_the_fly_whatever_is_pulled()
    {
        Assert.Equal(("fly 10 m", 1.2), Headline(Run("20 build + 10 fly + 20 slow sled 5 kg", "20:3.2 30:4.4")));
        Assert.Equal(("fly 10 m", 1.1), Headline(Run("40 m gates 20,30", "20:3.2 30:4.3")));
        Assert.Equal(("30 m", 4.3), Headline(Run("40 m gates 9,30", "9:2.2 30:4.3")));
        Assert.Equal(("41 m", 5.5), Headline(Run("45 m gates 10,41", "10:2.2 41:5.5")));
        Assert.Equal(("fly 30 m", 3.3), Headline(Run("45 m gates 10,40", "10:2.2 40:5.5")));

        // One end missed: what is left is read from the start.
        Assert.Equal(("30 m", 4.4), Headline(Run("20 build + 10 fly + 20 slow", "30:4.4")));

        static (string, double) Headline(LoggedRun run) => RunMeaning.Against(run, null) is var m ? (m.Label, Math.Round(m.Seconds, 6)) : default;
    }

    [Fact]
    public void The_stretches_kept_are_from_the_start_between_marks_and_the_usual_zones()
    {
        var kept = Stretches.Of(Run("40 m gates 5,10,20,30,40", "5:1.4 10:2.1 20:3.3 30:4.5 40:5.6")).Select(s => $"{s.FromMillimetres / 1000}-{s.ToMillimetres / 1000}");
        Assert.Equal("0-5 0-10 0-20 0-30 0-40 5-10 10-20 10-30 20-30 20-40 30-40", string.Join(' ', kept));
        Assert.Equal("20-30 20-40 30-40", string.Join(' ', Stretches.Of(Run("40 m gates 20,30,40", "20:0 30:1.1 40:2.2", trigger: StartTrigger.ZoneLine)).Select(s => $"{s.FromMillimetres / 1000}-{s.ToMillimetres / 1000}")));
        var zone = Run("15 build + 15 fly + 10 m", "15:2.6 20:3.2 30:4.3");
        Assert.Contains(Stretches.Of(zone), s => (s.FromMillimetres, s.ToMillimetres) == (15000, 30000));
        Assert.Equal((15000, 30000), Stretches.Headline(zone) is var h ? (h.FromMillimetres, h.ToMillimetres) : default);
        Assert.Equal(zone.Trial.FlyingKey, Stretches.Headline(zone).Key);
        Assert.Equal(zone.Trial.StartKey, Stretches.Headline(Run("30 m", "30:4.4")).Key);
    }

    [Fact]
    public void Bests_are_by_trial_with_the_commonest_first_and_the_others_beside_it()
    {
        TrialBest Best(string text, int from, Distance to, double seconds, int runs, double behind = 0) => new(Of(text, behind: behind), from, to, seconds, 1, new(2026, 5, 1), runs);
        var lists = Bests.Lists(
        [
            Best("20 m", 0, Distance.InMetres(10), 1.75, 3, 0.5), Best("20 m", 0, Distance.InMetres(10), 2.05, 8), Best("20 m from 3-point", 0, Distance.InMetres(10), 2.0, 5), Best("20 m sled 10 kg", 0, Distance.InMetres(10), 2.4, 2),
            Best("60 m", 0, Distance.InMetres(60), 7.9, 1), Best("100 m", 0, Distance.InMetres(100), 12.4, 1), Best("60 yd", 0, new(60, DistanceUnit.Yard), 7.3, 1), Best("40 m", 0, Distance.InMetres(17), 3, 9),
            Best("40 m", 20000, Distance.InMetres(30), 1.05, 4), Best("40 m", 30000, Distance.InMetres(40), 1.03, 2), Best("40 m", 5000, Distance.InMetres(15), 1.3, 7), Best("40 m", 10000, Distance.InMetres(30), 2.2, 4),
            new(Of("five-ten-five"), 0, Distance.InMetres(20), 4.95, 1, new(2026, 5, 1), 3), new(Of("five-ten-five"), 0, Distance.InMetres(5), 1.3, 1, new(2026, 5, 1), 3),
        ]);
        Assert.Equal("10 m|60 m|100 m|60 yd|flying 10 m|flying 20 m|5-10-5", string.Join('|', lists.Select(l => l.Name)));
        Assert.Equal("2.05 |2 from 3-point|1.75 start 0.5 m back|2.4 sled 10 kg", string.Join('|', lists[0].Trials.Select(t => FormattableString.Invariant($"{t.Seconds} {t.Words}"))));
        Assert.Equal("1.05 after 20 m|1.03 after 30 m", string.Join('|', lists[4].Trials.Select(t => FormattableString.Invariant($"{t.Seconds} {t.Words}"))));
        Assert.Equal(4.95, Assert.Single(lists[^1].Trials).Seconds);
        Assert.Equal((true, "10 m"), (lists[4].Trials[0].IsFlying, lists[4].Trials[0].Length.ToString()));
    }

    [Fact]
    public void Sides_are_set_against_each_other_only_when_nothing_else_differs()
    {
        var left = Run("10 m from half-kneeling", "10:2.3") with { Side = Side.Left };
        Assert.True(RunMeaning.SameButSide(left, left with { Side = Side.Right }));
        Assert.False(RunMeaning.SameButSide(left, left with { Side = Side.Right, Method = TimingMethod.Hand }));
        Assert.False(RunMeaning.SameButSide(left, left with { Side = Side.Right, Surface = Surface.Sand }));
        Assert.False(RunMeaning.SameButSide(left, Run("10 m from half-kneeling", "5:1.5") with { Side = Side.Right }));
        Assert.False(RunMeaning.Comparable(left, left with { Side = Side.Right }));
    }

    // Own rule: a long run from rest without flying gates is read by the athlete's own time constant.
    [Fact]
    public void A_sixty_without_fly_gates_estimates_the_speed_it_ended_at()
    {
        var curve = new SprintCurve(9, 1.1);
        LoggedRun Sixty(double at = 60, double behind = 0) => Run("60 m", FormattableString.Invariant($"{at}:{curve.TimeTo(at + behind) - curve.TimeTo(behind)}"), behind);
        Assert.Equal(curve.SpeedAtDistance(60), EstimatedSpeed.Of(Sixty(), 1.1)!.Value, 6);
        Assert.Equal(curve.SpeedAtDistance(60.5), EstimatedSpeed.Of(Sixty(behind: 0.5), 1.1)!.Value, 6);
        Assert.NotNull(EstimatedSpeed.Of(Sixty(30), 1.1));
        Assert.Null(EstimatedSpeed.Of(Sixty(29), 1.1));
        Assert.Null(EstimatedSpeed.Of(Sixty() with { Effort = 89 }, 1.1));
        Assert.NotNull(EstimatedSpeed.Of(Sixty() with { Effort = 90 }, 1.1));
        Assert.Null(EstimatedSpeed.Of(Sixty() with { Load = "sled10kg" }, 1.1));
        Assert.Null(EstimatedSpeed.Of(Sixty() with { Method = TimingMethod.Hand }, 1.1));
        Assert.Null(EstimatedSpeed.Of(Sixty() with { Start = StartPosition.Moving }, 1.1));
        Assert.Null(EstimatedSpeed.Of(Sixty() with { Course = "5m+t180R+55m" }, 1.1));
        Assert.Null(EstimatedSpeed.Of(Run("60 m gates 50,60", "50:6.7 60:7.8"), 1.1));
        Assert.Null(EstimatedSpeed.Of(Sixty() with { Marks = [] }, 1.1));

        var today = new DateOnly(2026, 3, 10);
        Assert.Equal((today.AddDays(-2), true), TopSpeedClock.On(today.AddDays(-5), today.AddDays(-2), null, today) is var e ? (e.Last!.Value, e.IsEstimated) : default);
        Assert.Equal((today.AddDays(-2), false), TopSpeedClock.On(today.AddDays(-2), today.AddDays(-2), null, today) is var m ? (m.Last!.Value, m.IsEstimated) : default);
        Assert.True(TopSpeedClock.On(null, today.AddDays(-7), null, today) is { IsEstimated: true, IsDue: true });
        Assert.True(TopSpeedClock.On((DateOnly?)null, null, null, today) is { IsEstimated: false, Last: null });
    }

    [Theory]
    [InlineData("five-ten-five", "2.60", "faster than anyone could run and turn")]
    [InlineData("five-ten-five", "4.60", null)]
    [InlineData("20 m", "2.00", "from rest is faster than anyone has started")]
    [InlineData("20 m from moving 5 m", "1.90", null)]
    [InlineData("20 m tow +5%v", "2.30", null)]
    [InlineData("20 m sled 40 kg", "14.00", null)]
    [InlineData("20 m", "14.00", "slow for a sprint")]
    [InlineData("five-ten-five @70%", "14.00", null)]
    public void Typed_times_are_judged_by_what_the_line_asks(string line, string typed, string? words)
    {
        var demand = LineDemand.Of(ShorthandLine.Read(line).Line!, ExerciseCatalogue.BuiltIn);
        var reading = MarkEntry.Read([typed], LineMarks.Expected(demand), MarkContext.Of(demand, 0, null));
        Assert.Equal(words is null, reading.IsClean);
        Assert.Contains(words ?? "", string.Join(' ', reading.Doubts.Select(d => d.Message)));
    }

    [Fact]
    public void What_a_fit_may_assume_follows_from_what_started_the_clock()
    {
        var run = Run("40 m", "10:2.1 20:3.3 30:4.5 40:5.6", 0.5);
        Assert.Equal(new FitAssumptions(0.5), run.FitAssumptions);
        Assert.Equal(new FitAssumptions(null), (run with { StartSaid = false }).FitAssumptions);
        Assert.Equal(new FitAssumptions(0.5, FromMovement: true), (run with { Trigger = StartTrigger.FirstMove, StartSaid = false }).FitAssumptions);
        Assert.Equal(new FitAssumptions(0.5, true, true), (run with { Trigger = StartTrigger.Gun }).FitAssumptions);
        Assert.Equal(new FitAssumptions(0.5, true, true), (run with { Method = TimingMethod.Hand }).FitAssumptions);
        Assert.True(run.ShowsOwnCurve);
        Assert.False((run with { Trigger = StartTrigger.ZoneLine }).ShowsOwnCurve || (run with { Load = "x" }).ShowsOwnCurve);
        Assert.True(new LineTiming(TimingMethod.Electronic, StartTrigger.FirstGate, 0).AsksForStart);
        Assert.False(new LineTiming(TimingMethod.Electronic, StartTrigger.FirstGate, 0, StartSaid: true).AsksForStart || new LineTiming(TimingMethod.Electronic, StartTrigger.Gun, 0).AsksForStart
            || new LineTiming(TimingMethod.Hand, StartTrigger.FirstGate, 0).AsksForStart || new LineTiming(TimingMethod.Electronic, StartTrigger.FirstGate, 0, EntryMode.ZoneOnly).AsksForStart);
    }
}

/// <summary>Plan documents of the first form, written by the program that made them, open as they were meant.</summary>
public class PlanUpgradeTests
{
    private static readonly SessionPlan Upgraded = PlanJson.Read(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "Files", "plan-form-1.json")));

    [Fact]
    public void A_file_of_the_first_form_reads_as_its_lines_were_written()
    {
        Assert.Equal(SessionPlan.Current, Upgraded.Version);
        Assert.Equal(
        [
            "raise 4 min easy", "A-skip 2 x 15 m", "build-up 3 x 40 m @70,80,90% rest walk-back", "2 x 40 m @90-95% as acceleration", "2 x 300 ft @0-100%", "6 x 5 backpedal + turn 180 left + 20 m", "20 up + 20 back + 40 up + 40 m back @", "3 x 20 build + 10 fly + 20 m slow @100% rest 4:00",
            "4 x 20 m from 3-point sled 12 kg gates 10,20 m", "2 x 20 + 20 walk + 20 m jog", "squat 3 x 3 reps 75% max", "2 x 10 m each side from half-kneeling left through 5 m cue \"push\"", "4 x 20 yd rest 1:30/10 m for low minutes",
        ], Upgraded.Lines.Select(l => ShorthandPrinter.Print(l)).Select(t => t.StartsWith("20 up", StringComparison.Ordinal) ? t.Replace("log time, heart rate", "@", StringComparison.Ordinal) : t));
        Assert.Equal((3, 90.0, "Rounds"), Upgraded.Blocks.Where(b => b.Rounds == 3).Select(b => (b.Rounds, b.RoundRestSeconds!.Value, b.Title)).Single());
        var lines = Upgraded.Lines.ToList();
        Assert.Equal(EffortShape.Band, lines[3].Effort!.Shape);
        Assert.Equal(EffortShape.Rise, lines[4].Effort!.Shape);
        Assert.Equal(EffortShape.Each, lines[2].Effort!.Shape);
        Assert.Equal((SegmentRole.Run, Motion.Backpedal), ((RunShape)lines[5].Shape).Segments[0] is var s ? (s.Role, s.Movement!.Value) : default);
        Assert.Equal([SegmentRole.Up, SegmentRole.Back, SegmentRole.Up, SegmentRole.Back], ((RunShape)lines[6].Shape).Segments.Select(x => x.Role));
        Assert.Equal([null, Motion.Walk, Motion.Jog], ((RunShape)lines[9].Shape).Segments.Select(x => x.Movement));
        Assert.Equal(Enumerable.Range(1, 26).Where(i => i % 2 == 1), lines.Select(l => l.Id));
    }

    [Fact]
    public void What_was_upgraded_is_written_in_todays_form_and_stays()
    {
        var json = PlanJson.Write(Upgraded);
        Assert.Contains("\"version\":2", json, StringComparison.Ordinal);
        Assert.Equal(json, PlanJson.Write(PlanJson.Read(json)));
        Assert.Throws<System.Text.Json.JsonException>(() => PlanJson.Read(json.Replace("\"version\":2", "\"version\":0", StringComparison.Ordinal)));
        Assert.Contains("newer", Assert.Throws<System.Text.Json.JsonException>(() => PlanJson.Read(json.Replace("\"version\":2", "\"version\":3", StringComparison.Ordinal))).Message);
        Assert.ThrowsAny<System.Text.Json.JsonException>(() => PlanJson.Read("null"));
    }

    [Theory]
    [InlineData("chest throw 3 x 2 reps 4 kg", "with4kg", "with 4 kg")]
    [InlineData("chest throw 3 x 2 reps 9 lb", "with4kg", "with 4 kg")]
    [InlineData("chest throw 3 x 2 reps", "", null)]
    [InlineData("squat 3 x 2 reps 80% max", "", null)]
    [InlineData("chest throw 3 x 2 reps vest 5 kg", "", null)]
    public void What_is_held_is_a_key_by_its_mass(string line, string key, string? words)
    {
        Assert.Equal(key, Trial.HeldKey(ShorthandLine.Read(line).Line!.Load));
        Assert.Equal(words, key.Length == 0 ? null : Trial.LoadWords(key));
    }
}
