using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;

namespace InchBurst.Core.Tests;

/// <summary>Times freed of wind, height, reaction and hand: each by its name, and back again.</summary>
public class AdjustedTimeTests
{
    private static LoggedRun Run(double[] metres, double[] seconds, double? wind = null, double? altitude = null, StartTrigger trigger = StartTrigger.FirstMove, double? reaction = null, TimingMethod method = TimingMethod.Electronic) => new()
    {
        Day = new(2026, 5, 4),
        Kind = WorkKind.Acceleration,
        Trigger = trigger,
        Method = method,
        ReactionSeconds = reaction,
        Setting = new(Shoes.Unsaid, wind, altitude),
        Marks = [.. metres.Zip(seconds, (m, s) => new LoggedMark(Distance.InMetres(m), s))],
    };

    private static IReadOnlyList<double> Simulated(double wind, double altitude, params double[] metres) =>
        new SprintSimulation(9.9, 12.1).TimesTo(metres, new(new BodyAndAir(78, 1.83).DragConstant / 78, wind, AltitudeMetres: altitude));

    // Simulated still air 9.828 s; changes by wind of science of forward simulation (F0 9.9, V0 12.1, h 1.83, m 78).
    [Theory]
    [InlineData(-2)]
    [InlineData(-1)]
    [InlineData(1)]
    [InlineData(2)]
    public void A_hundred_metres_in_wind_comes_back_to_still_air(double wind)
    {
        var still = Simulated(0, 0, 100)[0];
        var time = Simulated(wind, 0, 100)[0];
        var adjusted = AdjustedTime.Of(Run([100], [time], wind), 0, 100_000, time);

        Assert.Equal(9.828, still, 0.001);
        Assert.Equal(still, adjusted.Without(Adjusts.Air), 0.011);
        Assert.Equal(time, adjusted.Without(Adjusts.None));
        Assert.Equal(Math.Sign(wind), Math.Sign(adjusted.Parts[0].Seconds));
    }

    // Shorter ways by simulation: the runner is not the one that ran, so a tenth of the change may be left.
    [Theory]
    [InlineData(2, 0)]
    [InlineData(-2, 0)]
    [InlineData(4, 0)]
    [InlineData(0, 2000)]
    [InlineData(1.5, 1500)]
    public void A_short_sprint_comes_back_to_still_air(double wind, double altitude)
    {
        double[] metres = [10, 20, 30, 40, 60];
        var (still, there) = (Simulated(0, 0, metres), Simulated(wind, altitude, metres));
        var run = Run(metres, [.. there], wind, altitude);

        var back = AdjustedTime.Without(run, Adjusts.All);

        for (var i = 0; i < metres.Length; i++)
        {
            Assert.Equal(still[i], back.Marks[i].Seconds, Math.Max(0.002, 0.15 * Math.Abs(still[i] - there[i])));
        }

        Assert.Equal(0, back.Setting.WindMetresPerSecond);
        Assert.Null(StillAir.Of(back));
    }

    // A 2 m/s tailwind is worth about 0.10 s to men and 0.12 s to women over 100 m (Linthorne 1994).
    [Theory]
    [InlineData(10.2, 0.10)]
    [InlineData(11.3, 0.12)]
    public void A_tailwind_of_two_metres_is_worth_a_tenth_over_a_hundred(double seconds, double worth) =>
        Assert.Equal(worth, StillAir.Mureika(seconds, 2, 0) - seconds, 0.02);

    [Fact]
    public void A_flying_zone_is_freed_of_its_own_share()
    {
        double[] metres = [20, 30, 40, 60];
        var (still, there) = (Simulated(0, 0, metres), Simulated(2, 0, metres));
        var run = Run(metres, [.. there], 2);

        var zone = AdjustedTime.Of(run, 30_000, 60_000, there[3] - there[1]);

        Assert.Equal(still[3] - still[1], zone.Without(Adjusts.Air), 0.003);
        Assert.True(zone.Parts[0].Seconds < AdjustedTime.Of(run, 0, 60_000, there[3]).Parts[0].Seconds);
    }

    [Fact]
    public void Every_part_is_named_and_comes_out_by_itself()
    {
        var run = Run([30], [4.41], wind: 1.8, trigger: StartTrigger.Gun, reaction: 0.15);
        var adjusted = AdjustedTime.Of(run, 0, 30_000, 4.41);

        Assert.Equal([Adjusts.Air, Adjusts.Reaction], adjusted.Parts.Select(p => p.What));
        Assert.StartsWith("wind +1.8: +0.0", adjusted.Words(Adjusts.Air), StringComparison.Ordinal);
        Assert.Equal("reaction: −0.15 s", adjusted.Words(Adjusts.Reaction));
        Assert.Equal(4.26, adjusted.Without(Adjusts.Reaction), 1e-9);
        Assert.Equal(4.26 + adjusted.Parts[0].Seconds, adjusted.Without(Adjusts.All), 1e-9);
        Assert.Equal("", adjusted.Words(Adjusts.Hand));
    }

    [Fact]
    public void A_hand_time_goes_up_to_the_tenth_and_a_quarter_second_on()
    {
        var adjusted = AdjustedTime.Of(Run([30], [4.21], method: TimingMethod.Hand), 0, 30_000, 4.21);

        Assert.Equal(4.54, adjusted.Without(Adjusts.Hand), 1e-9);
        Assert.Contains("+0.33 s", adjusted.Words(Adjusts.Hand), StringComparison.Ordinal);
    }

    [Fact]
    public void What_nobody_said_is_not_taken_out()
    {
        Assert.Empty(AdjustedTime.Of(Run([30], [4.41]), 0, 30_000, 4.41).Parts);
        Assert.Empty(AdjustedTime.Of(Run([30], [4.41], wind: 0), 0, 30_000, 4.41).Parts);
        Assert.Empty(AdjustedTime.Of(Run([30], [4.41], trigger: StartTrigger.FirstGate, reaction: 0.2), 0, 30_000, 4.41).Parts);
        Assert.Empty(AdjustedTime.Of(Run([20, 30], [3, 4.41], trigger: StartTrigger.Gun, reaction: 0.2), 20_000, 30_000, 1.41).Parts);
        Assert.Empty(AdjustedTime.Of(Run([5, 10], [1.3, 2.4], wind: 2) with { Course = "5m+t180+5m" }, 0, 10_000, 2.4).Parts);
    }

    [Fact]
    public void A_run_taken_out_of_its_reaction_starts_with_the_first_movement()
    {
        var run = Run([10, 20, 30], [2.0, 3.3, 4.5], trigger: StartTrigger.Gun, reaction: 0.16);

        var back = AdjustedTime.Without(run, Adjusts.Reaction);
        var same = AdjustedTime.Without(run, Adjusts.Air);

        Assert.Equal([1.84, 3.14, 4.34], back.Marks.Select(m => Math.Round(m.Seconds, 6)));
        Assert.Equal((StartTrigger.FirstMove, null), (back.Trigger, back.ReactionSeconds));
        Assert.Equal((StartTrigger.Gun, 0.16), (same.Trigger, same.ReactionSeconds));
        Assert.Same(run with { Trigger = StartTrigger.ZoneLine } is var zone ? zone : null, AdjustedTime.Without(zone, Adjusts.All));
    }

    // True MSS 8.5, tau 1.2 with a reaction of 0.146 s in every mark: known, three gates are enough and the curve comes back.
    [Fact]
    public void A_measured_reaction_need_not_be_found_by_the_fit()
    {
        var curve = new SprintCurve(8.5, 1.2);
        double[] metres = [10, 20, 40];
        var run = Run(metres, [.. metres.Select(m => curve.TimeTo(m) + 0.146)], trigger: StartTrigger.Gun, reaction: 0.146);

        var fit = run.Fit().Fitted!;

        Assert.Equal(8.5, fit.Curve.Mss, 1e-3);
        Assert.Equal(1.2, fit.Curve.Tau, 1e-3);
        Assert.False(fit.OffsetFitted);
        Assert.NotNull((run with { ReactionSeconds = null }).Fit().Reason);
    }

    [Fact]
    public void Shoes_part_lists_only_where_they_are_said()
    {
        var run = Run([30], [4.41]);
        var spikes = run with { Setting = new(Shoes.Spikes) };

        Assert.Equal(run.Trial.StartKey + "|spikes", spikes.Trial.StartKey);
        Assert.Equal(run.Trial.FlyingKey + "|spikes", spikes.Trial.FlyingKey);
        Assert.Equal("from the first movement, in spikes", spikes.Trial.Words);
        Assert.False(RunMeaning.Comparable(run, spikes));
        Assert.Equal(["in flat shoes", "in studs", "in court shoes", "barefoot", ""], new[] { Shoes.Flats, Shoes.Studs, Shoes.Court, Shoes.Barefoot, Shoes.Unsaid }.Select(Trial.ShoeWords));
    }

    [Theory]
    [InlineData(2.0, false)]
    [InlineData(2.1, true)]
    [InlineData(-3.0, false)]
    [InlineData(null, false)]
    public void More_than_two_metres_of_tailwind_do_not_count(double? wind, bool aided) => Assert.Equal(aided, new RunSetting(WindMetresPerSecond: wind).IsWindAided);

    [Theory]
    [InlineData(0.0, "wind 0.0")]
    [InlineData(-0.04, "wind 0.0")]
    [InlineData(1.84, "wind +1.8")]
    [InlineData(-0.7, "wind −0.7")]
    [InlineData(null, "")]
    public void Wind_is_said_with_its_sign(double? wind, string says) => Assert.Equal(says, RunSetting.WindWords(wind));

    [Fact]
    public void Bests_can_be_seen_by_surface_and_by_shoes()
    {
        TrialBest Best(Surface surface, Shoes shoes, double seconds) => new(new Trial(Trial.Straight, null, null, StartTrigger.FirstGate, 0, TimingMethod.Electronic, "", null) { Surface = surface, Shoes = shoes }, 0, Distance.InMetres(30), seconds, 1, new(2026, 5, 4), 3);
        BestList[] lists = [new("30 m", [Best(Surface.Track, Shoes.Spikes, 4.2), Best(Surface.Hall, Shoes.Court, 4.3)]), new("10 m", [Best(Surface.Hall, Shoes.Court, 1.8)])];

        Assert.Equal([4.2], Bests.Only(lists, Surface.Track, null).SelectMany(l => l.Trials).Select(t => t.Seconds));
        Assert.Equal([4.3, 1.8], Bests.Only(lists, null, Shoes.Court).SelectMany(l => l.Trials).Select(t => t.Seconds));
        Assert.Equal(2, Bests.Only(lists, null, null).Count);
        Assert.Empty(Bests.Only(lists, Surface.Track, Shoes.Court));
    }
}
