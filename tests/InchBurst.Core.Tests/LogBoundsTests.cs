using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;

namespace InchBurst.Core.Tests;

/// <summary>Every threshold of typing, reading and gates at its bound and one step either side.</summary>
public class LogBoundsTests
{
    private static readonly Distance[] Fly = [Distance.InMetres(20), Distance.InMetres(30)];
    private static readonly DateTime Noon = new(2026, 3, 1, 12, 0, 0, DateTimeKind.Utc);

    private static string Doubts(MarkReading reading) => string.Join(" / ", reading.Doubts.Select(d => $"{d.Kind} {d.Index} {d.Message}"));

    private static MarkReading Zone(string seconds, MarkContext? context = null) => MarkEntry.Read([seconds], Fly, (context ?? new()) with { Mode = EntryMode.ZoneOnly });

    // 10 m: 13.5 m/s is 0.7407 s; 12.4 m/s, the fastest measured (Graubner and Nixdorf 2011), is 0.8065 s.
    [Theory]
    [InlineData("0.740", "Impossible 0 20 m to 30 m in 0.74 is 13.5 m/s: faster than anyone has run.")]
    [InlineData("0.741", "Unlikely 0 20 m to 30 m in 0.74 is 13.5 m/s, up with the fastest ever measured. Is it right?")]
    [InlineData("0.806", "Unlikely 0 20 m to 30 m in 0.81 is 12.4 m/s, up with the fastest ever measured. Is it right?")]
    [InlineData("0.807", "")]
    [InlineData("4.00", "")]
    [InlineData("4.01", "Unlikely 0 20 m to 30 m in 4.01 is slow for a sprint: 2.5 m/s. Is it right?")]
    [InlineData("300", "Unlikely 0 20 m to 30 m in 5:00 is slow for a sprint: 0.0 m/s. Is it right?")]
    [InlineData("300.01", "Impossible 0 A time must be above 0 and at most 300 s.")]
    [InlineData("0", "Impossible 0 A time must be above 0 and at most 300 s.")]
    [InlineData("0.0", "Impossible 0 A time must be above 0 and at most 300 s.")]
    [InlineData("1234567890", "Impossible 0 “1234567890” is not a time. Type seconds, such as 1.81.")]
    [InlineData("1.2.3", "Impossible 0 “1.2.3” is not a time. Type seconds, such as 1.81.")]
    [InlineData("1,2.3", "Impossible 0 “1,2.3” is not a time. Type seconds, such as 1.81.")]
    [InlineData("a very long slip", "Impossible 0 “a very long …” is not a time. Type seconds, such as 1.81.")]
    [InlineData("-", "Impossible 0 Type a time first.")]
    public void A_flying_ten_is_taken_asked_about_or_refused(string typed, string doubts) => Assert.Equal(doubts, Doubts(Zone(typed)));

    [Fact]
    public void Own_best_and_own_range_are_asked_about_beyond_8_percent()
    {
        // Best 9 m/s: 8% over is 9.72 m/s, 1.0288 s over 10 m.
        Assert.Empty(Zone("1.029", new(BestSpeed: 9)).Doubts);
        Assert.Equal("Unlikely 0 20 m to 30 m in 1.03 is 9.7 m/s, 8% over this athlete's best. Is it right?", Doubts(Zone("1.028", new(BestSpeed: 9))));
        Assert.Empty(Zone("1.028", new(BestSpeed: 9, IsHelped: true)).Doubts);
        Assert.Empty(Zone("4.01", new(IsHard: false)).Doubts);

        MarkContext Ranged(int runs) => new() { Ranges = [new(20000, 30000, 1.00, 1.10, runs)] };
        Assert.Empty(Zone("0.92", Ranged(3)).Doubts);
        Assert.Equal("Unlikely 0 20 m to 30 m in 0.92 is 8% quicker than this athlete's 1.00–1.10. Is it right?", Doubts(Zone("0.919", Ranged(3))));
        Assert.Empty(Zone("1.188", Ranged(3)).Doubts);
        Assert.Equal("Unlikely 0 20 m to 30 m in 1.19 is 8% slower than this athlete's 1.00–1.10. Is it right?", Doubts(Zone("1.189", Ranged(3))));
        Assert.Empty(Zone("1.189", Ranged(2)).Doubts);
        Assert.Empty(Zone("1.189", new() { Ranges = [new(0, 30000, 1, 1.1, 5), new(20000, 31000, 1, 1.1, 5)] }).Doubts);
        var start = MarkEntry.Read(["2.40"], [Distance.InMetres(10)], new() { Ranges = [new(0, 10000, 2.0, 2.1, 3)] });
        Assert.Equal("Unlikely 0 10 m in 2.40 is 14% slower than this athlete's 2.00–2.10. Is it right?", Doubts(start));
    }

    [Fact]
    public void Starts_are_judged_from_rest_and_by_the_distance_behind_the_gate()
    {
        double Least(double behind) => new SprintCurve(13.5, 0.6).TimeBetween(behind, behind + 10);
        double Likely(double behind) => new SprintCurve(12.3, 0.85).TimeBetween(behind, behind + 10);
        foreach (var behind in new[] { 0, 0.5 })
        {
            MarkReading Ten(double seconds, MarkContext? context = null) => MarkEntry.Read([seconds.ToString("0.0000", System.Globalization.CultureInfo.InvariantCulture)], [Distance.InMetres(10)], (context ?? new()) with { StartBehindGateMetres = behind });
            Assert.Contains("from rest is faster than anyone has started", Doubts(Ten(Least(behind) - 0.001)));
            Assert.Contains("would beat the best starts measured. Is the first mark right?", Doubts(Ten(Least(behind) + 0.001)));
            Assert.Contains("would beat", Doubts(Ten(Likely(behind) - 0.001)));
            Assert.Empty(Ten(Likely(behind) + 0.001).Doubts);
            Assert.Empty(Ten(Least(behind) - 0.001, new(FromRest: false)).Doubts);
            Assert.Empty(Ten(6.66).Doubts);
            Assert.Contains("slow for a sprint: 1.5 m/s", Doubts(Ten(6.67)));
            Assert.Empty(Ten(6.67, new(IsHard: false)).Doubts);
        }
    }

    [Fact]
    public void Marks_are_told_by_their_place_and_the_gravest_doubt_comes_first()
    {
        Distance[] gates = [Distance.InMetres(10), Distance.InMetres(20), Distance.InMetres(30)];
        Assert.Equal("Impossible 2 4 times for 3 marks: one too many.", Doubts(MarkEntry.Read("2.1 3.3 4.4 5.5", gates, new())));
        Assert.Equal("Impossible 0 2 times for 1 mark: one too many.", Doubts(MarkEntry.Read("2.1 3.3", gates[..1], new())));
        Assert.Equal("Impossible 1 2.10 at 20 m is not after 2.10 at 10 m: times must rise.", Doubts(MarkEntry.Read("2.1 2.1 4.4", gates, new())));
        Assert.Equal("Impossible 2 20 m to 30 m in 0.50 is 20.0 m/s: faster than anyone has run. / Unlikely 0 1.50 to 10 m would beat the best starts measured. Is the first mark right?", Doubts(MarkEntry.Read("1.5 3.3 3.8", gates, new())));
        Assert.Equal(["10 m 2.1", "30 m 4.4"], MarkEntry.Read("2.1 − 4.4", gates, new()).Marks.Select(m => FormattableString.Invariant($"{m.At} {m.Seconds}")));

        // Stretch by stretch: a gap before the last is refused, one behind it is left out, and without the first only the zone is known.
        var segments = new MarkContext { Mode = EntryMode.Segments };
        Assert.Equal("Impossible 1 Stretch by stretch, each one before 30 m needs its time. Type clock times instead to leave a mark out.", Doubts(MarkEntry.Read(["2.1", "", "1.1"], gates, segments)));
        Assert.Equal([2.1, 3.3], MarkEntry.Read(["2.1", "1.2", ""], gates, segments).Marks.Select(m => m.Seconds));
        var zone = MarkEntry.Read(["", "1.2", "1.1"], gates, segments);
        Assert.True(zone.ZoneOnly);
        Assert.Equal([0, 1.2, 2.3], zone.Marks.Select(m => m.Seconds));
        Assert.False(MarkEntry.Read(["", "1.2", "1.1"], gates, new()).ZoneOnly);
        Assert.True(MarkEntry.Read([""], gates[..1], segments).IsRefused);
        Assert.Equal("Impossible 0 2 times for 1 mark: one too many.", Doubts(MarkEntry.Read("1.1 2.2", Fly, new() { Mode = EntryMode.ZoneOnly })));
    }

    private static Reading By(string who, double first, double last, TimingMethod method = TimingMethod.Electronic, double after = 0, StartTrigger trigger = StartTrigger.FirstGate) =>
        new(who, method, trigger, [new(Fly[0], first), new(Fly[1], last)], Noon.AddSeconds(after));

    [Fact]
    public void Two_readings_agree_up_to_their_bounds()
    {
        var close = Readings.Combine([By("a", 2.80, 3.90), By("b", 2.83, 3.93)]);
        Assert.Equal((true, null, 2.815, 3.915), (close.IsMean, close.Conflict, close.Marks[0].Seconds, close.Marks[1].Seconds));
        Assert.Equal("At 30 m the readings differ by 0.03 s. Pick one.", Readings.Combine([By("a", 2.80, 3.90), By("b", 2.83, 3.9301)]).Conflict);
        Assert.True(Readings.Combine([By("a", 2.8, 3.9, TimingMethod.Hand), By("b", 3.0, 4.1, TimingMethod.Hand)]).IsMean);
        Assert.NotNull(Readings.Combine([By("a", 2.8, 3.9, TimingMethod.Hand), By("b", 3.0, 4.101, TimingMethod.Hand)]).Conflict);
        Assert.Null(Readings.Combine([By("a", 2.8, 3.9), By("b", 2.8, 3.9, after: 90)]).Conflict);
        Assert.Null(Readings.Combine([By("a", 2.8, 3.9, after: 90), By("b", 2.8, 3.9)]).Conflict);
        Assert.Contains("far apart in time", Readings.Combine([By("a", 2.8, 3.9), By("b", 2.8, 3.9, after: 90.1)]).Conflict);
        Assert.Contains("different triggers", Readings.Combine([By("a", 2.8, 3.9), By("b", 2.8, 3.9, trigger: StartTrigger.Gun)]).Conflict);

        // Gates go before a watch whenever they came; a lone reading stands as it is.
        var both = Readings.Combine([By("a", 2.7, 3.7, TimingMethod.Hand), By("b", 2.8, 3.9)]);
        Assert.Equal((TimingMethod.Electronic, 3.9, false, null), (both.Method, both.Marks[1].Seconds, both.IsMean, both.Conflict));
        Assert.False(Readings.Combine([By("a", 2.8, 3.9)]).IsMean);
        Assert.Throws<ArgumentException>(() => Readings.Combine([]));

        // Means over different people's marks that would not rise are not made.
        Reading One(double at, double seconds) => new("x", TimingMethod.Hand, StartTrigger.FirstGate, [new(Distance.InMetres(at), seconds)], Noon);
        Assert.Equal((false, "The means would not rise from mark to mark. Pick one."), Readings.Combine([One(20, 3.9), One(30, 3.9)]) is var flat ? (flat.IsMean, flat.Conflict) : default);
        Assert.Equal((false, 3.9, null), Readings.Mean([One(20, 3.9), One(30, 3.9)]) is var mean ? (mean.IsMean, mean.Marks[0].Seconds, mean.Conflict) : default);
        Assert.Equal((true, 3.0), Readings.Mean([By("a", 2.0, 3.9), By("b", 4.0, 5.9)]) is var two ? (two.IsMean, two.Marks[0].Seconds) : default);
    }

    private static GateMarks Passes(string passes, int marks) => GateFeed.Read([.. passes.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(p => p.Split(':')).Select(p => new GatePass(int.Parse(p[0], System.Globalization.CultureInfo.InvariantCulture), double.Parse(p[1], System.Globalization.CultureInfo.InvariantCulture)))],
        [.. Enumerable.Range(1, marks).Select(i => Distance.InMetres(10 * i))]);

    [Theory]
    [InlineData("0:1000 1:3100 2:4300", 2, "2.1 3.3", false)]
    [InlineData("2:4300 0:1000 1:3050 1:3100", 2, "2.1 3.3", false)]
    [InlineData("0:1000 2:4300", 2, "- 3.3", false)]
    [InlineData("0:1000 1:2000", 2, "0 1", true)]
    [InlineData("0:0 1:1000.4", 1, "1", false)]
    [InlineData("0:0 3:4000", 3, "- - 4", false)]
    public void Gates_give_times_at_marks(string passes, int marks, string times, bool zone)
    {
        var read = Passes(passes, marks);
        Assert.Null(read.Problem);
        Assert.Equal((times, zone), (string.Join(' ', read.Seconds.Select(s => s?.ToString(System.Globalization.CultureInfo.InvariantCulture) ?? "-")), read.ZoneOnly));
    }

    [Theory]
    [InlineData("0:1000 1:2000", 0, "expects no times")]
    [InlineData("0:1000", 1, "Only one gate")]
    [InlineData("0:1000 0:2000", 1, "Only one gate")]
    [InlineData("0:2000 1:2000", 1, "another order")]
    [InlineData("0:2000 1:1000", 1, "another order")]
    [InlineData("1:2000 2:3000", 2, "missed the start")]
    [InlineData("0:1000 1:2000 2:3000", 1, "3 gates reported, and this line expects 1 mark after the start.")]
    [InlineData("0:1000 1:2000", 3, "2 gates reported, and this line expects 3 marks after the start.")]
    public void Gates_that_make_no_sense_say_why(string passes, int marks, string words) => Assert.Contains(words, Passes(passes, marks).Problem);

    [Fact]
    public void A_runs_fastest_flying_stretch_has_its_bounds()
    {
        LoggedRun Run(params (double At, double Seconds)[] marks) => new() { Day = new(2026, 3, 1), Kind = WorkKind.Drill, Marks = [.. marks.Select(m => new LoggedMark(Distance.InMetres(m.At), m.Seconds))] };
        Assert.Null(Run((4.9, 1.3), (15, 2.6)).FastestFlying);
        Assert.Equal(5, Run((5, 1.3), (15, 2.6)).FastestFlying!.Value.FromMetres);
        Assert.Null(Run((20, 3.2), (24.4, 3.7)).FastestFlying);
        Assert.NotNull(Run((20, 3.2), (24.5, 3.7)).FastestFlying);
        Assert.Equal(20, Run((10, 2.1), (20, 3.2), (30, 4.3)).FastestFlying!.Value.FromMetres);
        Assert.Equal(10, Run((10, 2.1), (20, 3.2), (30, 4.31)).FastestFlying!.Value.FromMetres);
        Assert.Null(Run((30, 4.3)).FastestFlying);
        var meaning = RunMeaning.Against(Run((20, 3.2)), 3.2);
        Assert.Equal((false, 1.0), (meaning.IsNewBest, meaning.ShareOfBest!.Value));
        Assert.True(RunMeaning.Against(Run((20, 3.199)), 3.2).IsNewBest);
        Assert.Null(RunMeaning.Against(Run((20, 3.2)), null).ShareOfBest);
    }

    [Fact]
    public void Stretches_of_a_run_are_differences_of_its_clock()
    {
        LoggedRun run = new()
        {
            Day = new(2026, 3, 1),
            Kind = WorkKind.MaxVelocity,
            Method = TimingMethod.Electronic,
            Course = "40",
            Marks = [new(Distance.InMetres(10), 2.0), new(Distance.InMetres(20), 3.1), new(Distance.InMetres(30), 4.1), new(Distance.InMetres(40), 5.2)],
        };
        string Text(StretchTime t) => FormattableString.Invariant($"{(t.Key == run.Trial.StartKey ? "start" : t.Key == run.Trial.FlyingKey ? "fly" : "other")} {t.FromMillimetres / 1000}-{t.ToMillimetres / 1000} {t.Seconds:0.00}");
        Assert.Equal(
            ["start 0-10 2.00", "start 0-20 3.10", "start 0-30 4.10", "start 0-40 5.20", "fly 10-20 1.10", "fly 10-30 2.10", "fly 20-30 1.00", "fly 20-40 2.10", "fly 30-40 1.10"],
            Stretches.Of(run).Select(Text));
        Assert.Equal("fly 20-30 1.00", Text(Stretches.Headline(run with { Zone = (20000, 30000) })));
        Assert.Equal("start 0-40 5.20", Text(Stretches.Headline(run)));

        // Without a start there is nothing from 0, and a clock that was running at the first mark counts for nothing.
        var rolling = run with { Trigger = StartTrigger.ZoneLine, Marks = [new(Distance.InMetres(20), 0.5), new(Distance.InMetres(35), 2.0)] };
        Assert.Equal([1.5], Stretches.Of(rolling).Select(t => t.Seconds));
        Assert.Equal([(20.0, 1.5)], rolling.Segments.Select(x => (x.FromMetres, x.Seconds)));
    }

    [Fact]
    public void A_clock_running_since_the_start_is_judged_stretch_by_stretch()
    {
        // 20 m at 3.2 s, then 1.0 s: that stretch alone is 9% quicker than this athlete's best.
        MarkContext own = new() { Ranges = [new(20000, 30000, 1.10, 1.20, 3)] };
        Assert.Equal("Unlikely 1 20 m to 30 m in 1.00 is 9% quicker than this athlete's 1.10–1.20. Is it right?", Doubts(MarkEntry.Read("3.2 4.2", Fly, own)));
        Assert.Empty(MarkEntry.Read("3.2 4.35", Fly, own).Doubts);
        Assert.Equal("Unlikely 1 20 m to 30 m in 1.40 is 17% slower than this athlete's 1.10–1.20. Is it right?", Doubts(MarkEntry.Read("3.2 4.6", Fly, own)));
    }
}
