using CsCheck;
using InchBurst.Core.Sprint;

namespace InchBurst.Core.Tests;

/// <summary>The curve, the fit, forces and the simulation. Unless another source stands beside a check, the values were computed independently with SciPy.</summary>
public class SprintTests
{
    private static readonly SprintCurve Typical = new(8.5, 1.2);

    [Fact]
    public void Time_to_distance_matches_the_Lambert_form()
    {
        var curve = new SprintCurve(8.92, 1.14);
        double[] expected = [1.3525, 2.0767, 3.3202, 4.4808, 5.6160];
        double[] metres = [5, 10, 20, 30, 40];
        for (var i = 0; i < metres.Length; i++)
        {
            Assert.Equal(expected[i], curve.TimeTo(metres[i]), 4);
        }
    }

    [Fact]
    public void Derived_distances_and_times_match()
    {
        Assert.Equal(2.0602, Typical.TimeTo(9.144), 4);
        Assert.Equal(3.2731, Typical.TimeTo(18.288), 4);
        Assert.Equal(5.4907, Typical.TimeTo(36.576), 4);
        Assert.Equal(7.6525, Typical.TimeTo(54.864), 4);
        Assert.Equal(1.2183, Typical.TimeBetween(20, 30), 4);
        Assert.Equal(14.31, Typical.DistanceAtShare(0.90), 2);
        Assert.Equal(20.87, Typical.DistanceAtShare(0.95), 2);
        Assert.Equal(25.87, Typical.DistanceAtShare(0.97), 2);
        Assert.Equal(36.87, Typical.DistanceAtShare(0.99), 2);
        Assert.Equal(15.69, Typical.MetresAbove(0.9, 30), 2);
    }

    [Fact]
    public void Distance_and_time_undo_each_other() =>
        Gen.Select(Gen.Double[3, 13], Gen.Double[0.3, 3], Gen.Double[0.0001, 200]).Sample((mss, tau, d) =>
        {
            var curve = new SprintCurve(mss, tau);
            Assert.Equal(d, curve.DistanceAt(curve.TimeTo(d)), 1e-8);
            Assert.True(curve.SpeedAtDistance(d) < mss * (1 + 1e-12));
        });

    [Fact]
    public void A_curve_refuses_what_is_no_sprint()
    {
        Assert.Throws<ArgumentOutOfRangeException>(() => new SprintCurve(0, 1));
        Assert.Throws<ArgumentOutOfRangeException>(() => new SprintCurve(8, double.NaN));
        Assert.Throws<ArgumentOutOfRangeException>(() => Typical.DistanceAtShare(1));
    }

    // Graubner and Nixdorf 2011, biomechanics report of the 2009 world championships: men's 100 m final, winner.
    private static readonly GateTime[] PublishedRace =
        [.. new[] { 1.89, 2.88, 3.78, 4.64, 5.47, 6.29, 7.10, 7.92, 8.75, 9.58 }.Select((t, i) => new GateTime((i + 1) * 10, t - 0.146))];

    [Fact]
    public void The_published_race_fits_as_published_figures_say()
    {
        var to60 = SprintFit.Fit(PublishedRace[..6]).Fitted!;
        Assert.Equal(12.147, to60.Curve.Mss, 3);
        Assert.Equal(1.221, to60.Curve.Tau, 3);
        Assert.Equal(0.055, to60.MssError!.Value, 3);
        Assert.Equal(0.018, to60.TauError!.Value, 3);

        var to70 = SprintFit.Fit(PublishedRace[..7]).Fitted!;
        Assert.Equal(12.216, to70.Curve.Mss, 3);
        Assert.Equal(1.240, to70.Curve.Tau, 3);
    }

    [Fact]
    public void A_race_whose_last_gates_lie_on_the_curve_is_not_called_slowing()
    {
        // The winner's last three marks lie within the errors of the first seven, so all ten are one curve, the same as of marks 10 to 70.
        var whole = SprintFit.Fit(PublishedRace).Fitted!;
        Assert.Equal(10, whole.Used.Count);
        Assert.Equal(12.21, whole.Curve.Mss, 2);
        var fastest = Splits.Segments(PublishedRace).MaxBy(s => s.MeanSpeed);
        Assert.Equal(60, fastest.FromMetres);
        Assert.Equal(12.35, fastest.MeanSpeed, 2);
    }

    // Own rule (science.md 11): at most 1 clean run in 20 is called slowing, whatever the gates.
    [Theory]
    [InlineData(0, 0, 5)]
    [InlineData(0.06, 70, 100)]
    public void Slowing_is_called_by_an_F_test_at_a_stated_rate(double loss, double least, double most)
    {
        var random = new Random(11);
        double[][] sets = loss > 0 ? [[10, 20, 30, 40, 50, 60, 70, 80, 90, 100]] : [[10, 20, 30, 40, 50, 60], [5, 10, 20, 30, 40, 60], [10, 20, 30, 40, 50, 60, 70, 80, 90, 100], [30, 50, 60, 80, 100]];
        foreach (var set in sets)
        {
            var called = 0;
            for (var i = 0; i < 800; i++)
            {
                var curve = new SprintCurve(7.5 + (random.NextDouble() * 3.5), 0.9 + (random.NextDouble() * 0.6));
                double clock = 0, before = 0;
                var gates = new List<GateTime>();
                foreach (var at in set)
                {
                    clock += curve.TimeBetween(before, at) / (at > 60 ? 1 - (loss * (at - 60) / 40) : 1);
                    before = at;
                    gates.Add(new(at, Math.Round(clock + (0.01 * MathNet.Numerics.Distributions.Normal.Sample(random, 0, 1)), 2)));
                }

                var fit = SprintFit.Fit(gates).Fitted!;
                called += fit.LeftOut.Count > 0 ? 1 : 0;
                Assert.InRange(fit.Curve.Mss / curve.Mss, 0.96, 1.04);
                Assert.All(fit.LeftOut, g => Assert.True(g.Metres > SprintFit.SlowingBeyondMetres));
            }

            Assert.InRange(called / 8.0, least, most);
        }
    }

    [Theory]
    [InlineData(20, 0.4, "20 m looks 0.4")]
    [InlineData(30, 1.0, "30 m looks")]
    [InlineData(10, -0.3, "early")]
    [InlineData(40, 0.5, "40 m looks")]
    public void One_mistyped_gate_is_pointed_at_and_not_absorbed(double at, double wrong, string words)
    {
        GateTime[] gates = [.. new double[] { 5, 10, 20, 30, 40 }.Select((d, i) => new GateTime(d, Typical.TimeTo(d) + (i % 2 == 0 ? 0.006 : -0.005) + (d == at ? wrong : 0)))];
        var outcome = SprintFit.Fit(gates);
        if (outcome.Fitted is not { } fit)
        {
            // So late that the next gate comes before it: that is refused.
            Assert.Contains("rise", outcome.Reason);
            return;
        }

        Assert.Contains(words, fit.Suspect!.Text);
        Assert.Equal(at, fit.Suspect.Gate.Metres);
        Assert.Equal(wrong, fit.Suspect.LateSeconds, 0.06);
        Assert.InRange(fit.Curve.Mss, 8.3, 8.7);
        Assert.DoesNotContain(fit.Used, g => g.Metres == at);
        Assert.Null(SprintFit.Fit(gates[..3].Select(g => g with { Seconds = Typical.TimeTo(g.Metres) + (g.Metres == 10 ? 0.03 : 0) }).Concat(gates[3..].Select(g => g with { Seconds = Typical.TimeTo(g.Metres) })).ToList()).Fitted!.Suspect);
    }

    // science.md 1: the clock that starts with the movement has the way to the first gate in its times; the one the first gate starts has not.
    [Fact]
    public void A_start_behind_the_gate_is_fitted_by_what_starts_the_clock()
    {
        GateTime[] moved = [.. new double[] { 5, 10, 20, 30, 40 }.Select(d => new GateTime(d, Typical.TimeTo(d + 0.5)))];
        var fit = SprintFit.Fit(moved, new(0.5, FromMovement: true)).Fitted!;
        Assert.Equal((8.5, 1.2), (Math.Round(fit.Curve.Mss, 4), Math.Round(fit.Curve.Tau, 4)));
        GateTime[] gun = [.. moved.Select(g => g with { Seconds = g.Seconds + 0.17 })];
        var fired = SprintFit.Fit(gun, new(0.5, FitClockOffset: true, FromMovement: true)).Fitted!;
        Assert.Equal((8.5, 1.2, 0.17), (Math.Round(fired.Curve.Mss, 3), Math.Round(fired.Curve.Tau, 3), Math.Round(fired.ClockOffsetSeconds, 3)));
        Assert.NotEqual(1.2, SprintFit.Fit(moved, new(0.5)).Fitted?.Curve.Tau ?? 0, 0.1);
        var found = SprintFit.Fit(moved, new(null, FromMovement: true)).Fitted!;
        Assert.Equal(0.5, found.StartBehindGateMetres, 0.01);
    }

    [Fact]
    public void A_curve_is_found_from_one_time_and_a_time_constant() =>
        Gen.Select(Gen.Double[5, 12], Gen.Double[0.6, 2], Gen.Double[20, 100], Gen.Double[0, 1]).Sample((mss, tau, d, f) =>
        {
            var curve = new SprintCurve(mss, tau);
            Assert.Equal(mss, SprintCurve.FromTime(d, curve.TimeTo(d + f) - curve.TimeTo(f), tau, f)!.Mss, 1e-6);
            Assert.Null(SprintCurve.FromTime(d, d / 20, tau, f));
            Assert.Null(SprintCurve.FromTime(d, d * 3, tau, f));
        });

    private static GateTime[] BehindTheGate(double f) =>
        [.. new double[] { 5, 10, 20, 30, 40 }.Select(d => new GateTime(d, Typical.TimeTo(d + f) - Typical.TimeTo(f)))];

    [Fact]
    public void A_start_behind_the_gate_wrecks_the_naive_fit_and_not_the_informed_one()
    {
        var gates = BehindTheGate(0.5);
        var naive = SprintFit.Fit(gates).Fitted!;
        Assert.Equal(8.11, naive.Curve.Mss, 2);
        Assert.Equal(0.655, naive.Curve.Tau, 3);

        var known = SprintFit.Fit(gates, new(0.5)).Fitted!;
        Assert.Equal(8.50, known.Curve.Mss, 4);
        Assert.Equal(1.20, known.Curve.Tau, 4);

        var found = SprintFit.Fit(gates, new(null)).Fitted!;
        Assert.Equal(8.50, found.Curve.Mss, 2);
        Assert.Equal(1.20, found.Curve.Tau, 2);
        Assert.Equal(0.50, found.StartBehindGateMetres, 2);
    }

    [Fact]
    public void A_gun_start_is_found_with_four_gates()
    {
        GateTime[] gates = [.. new double[] { 5, 10, 20, 30, 40 }.Select(d => new GateTime(d, Typical.TimeTo(d) + 0.18))];
        var fit = SprintFit.Fit(gates, new(0, FitClockOffset: true)).Fitted!;
        Assert.Equal(0.18, fit.ClockOffsetSeconds, 3);
        Assert.Equal(8.5, fit.Curve.Mss, 3);
    }

    [Fact]
    public void Ten_milliseconds_of_noise_spread_the_fit_as_computed()
    {
        var random = new Random(20);
        var fits = new List<SprintFitted>();
        for (var i = 0; i < 600; i++)
        {
            GateTime[] noisy = [.. new double[] { 5, 10, 20, 30, 40 }.Select(d => new GateTime(d, Typical.TimeTo(d) + (0.01 * MathNet.Numerics.Distributions.Normal.Sample(random, 0, 1))))];
            fits.Add(SprintFit.Fit(noisy).Fitted!);
        }

        Assert.InRange(Deviation(fits.Select(f => f.Curve.Mss)), 0.038, 0.050);
        Assert.InRange(Deviation(fits.Select(f => f.Curve.Tau)), 0.016, 0.022);
        // The error each fit reports of itself agrees with the spread seen.
        Assert.InRange(Math.Sqrt(fits.Average(f => f.MssError!.Value * f.MssError!.Value)), 0.038, 0.050);

        static double Deviation(IEnumerable<double> values) => MathNet.Numerics.Statistics.Statistics.StandardDeviation(values);
    }

    [Theory]
    [InlineData("5:1.35 10:2.08", "3 or more")]
    [InlineData("5:1.35 10:2.08 20:2.08", "rise")]
    [InlineData("2:0.80 4:1.19 6:1.52", "too near")]
    [InlineData("10:2.1 20:9.3 30:9.5", "")]
    public void A_fit_that_cannot_be_made_gives_its_reason(string text, string word)
    {
        GateTime[] gates = [.. text.Split(' ').Select(p => p.Split(':')).Select(p => new GateTime(double.Parse(p[0]), double.Parse(p[1], System.Globalization.CultureInfo.InvariantCulture)))];
        var outcome = SprintFit.Fit(gates);
        Assert.Null(outcome.Fitted);
        Assert.Contains(word, outcome.Reason);
    }

    [Fact]
    public void Too_few_gates_for_an_unknown_start_is_said()
    {
        var outcome = SprintFit.Fit(BehindTheGate(0.5)[..3], new(null));
        Assert.Contains("4 or more", outcome.Reason);
    }

    [Fact]
    public void No_marks_that_a_person_can_type_break_the_fit() =>
        Gen.Select(Gen.Double[0.1, 30], Gen.Double[0.05, 9]).Array[0, 9].Sample(pairs =>
        {
            var outcome = SprintFit.Fit([.. pairs.Select(p => new GateTime(p.Item1, p.Item2)).OrderBy(g => g.Metres)]);
            Assert.True((outcome.Fitted is null) != (outcome.Reason is null));
        });

    [Fact]
    public void Segments_and_cumulative_times_undo_each_other()
    {
        var back = Splits.Cumulative(Splits.Segments(PublishedRace));
        Assert.All(back.Zip(PublishedRace), p => Assert.Equal(p.Second.Seconds, p.First.Seconds, 1e-10));
        Assert.Throws<ArgumentException>(() => Splits.Segments([new(5, 1), new(4, 2)]));
    }

    // Samozino et al. 2016 and Arsac and Locatelli 2002, from memory; figures by SciPy.
    [Fact]
    public void Forces_match()
    {
        var body = new BodyAndAir(70, 1.75);
        Assert.Equal(0.2666, body.DragConstant, 4);
        var forces = SprintForces.From(Typical, body);
        Assert.Equal(7.009, forces.F0, 3);
        Assert.Equal(8.825, forces.V0, 3);
        Assert.Equal(15.46, forces.PeakPower, 2);
        Assert.Equal(0.491, forces.RatioMax, 3);
        Assert.Equal(-0.0728, forces.RatioDecrease, 4);
    }

    [Fact]
    public void Wind_over_a_hundred_metres_matches()
    {
        var runner = new SprintSimulation(9.9, 12.1);
        var drag = new BodyAndAir(78, 1.83).DragConstant / 78;
        double Time(double wind) => runner.TimesTo([100], new(drag, wind))[0];
        var still = Time(0);
        Assert.Equal(9.828, still, 3);
        Assert.Equal(0.138, Time(-2) - still, 3);
        Assert.Equal(0.066, Time(-1) - still, 3);
        Assert.Equal(-0.059, Time(1) - still, 3);
        Assert.Equal(-0.112, Time(2) - still, 3);
        // Mureika 2001, from memory: t0 = tw (1.03 - 0.03 (1 - w tw/100)^2) at sea level brings them within 0.011 s.
        foreach (var wind in new double[] { -2, -1, 1, 2 })
        {
            var timed = Time(wind);
            var corrected = timed * (1.03 - (0.03 * Math.Pow(1 - (wind * timed / 100), 2)));
            Assert.InRange(Math.Abs(corrected - still), 0, 0.0115);
        }
    }

    [Fact]
    public void Top_speed_on_a_slope_matches()
    {
        var runner = new SprintSimulation(8, 10);
        double Top(double degrees) => runner.TopSpeed(new(0.003735, SlopeRadians: degrees * Math.PI / 180));
        Assert.Equal(9.572, Top(0), 3);
        Assert.Equal(-6.17, ((Top(3) / Top(0)) - 1) * 100, 2);
        Assert.Equal(6.14, ((Top(-3) / Top(0)) - 1) * 100, 2);
        Assert.Equal(0, runner.TopSpeed(new(0.003735, ResistancePerKilogram: 9)));
        Assert.Equal(double.PositiveInfinity, runner.TimesTo([10], new(0.003735, ResistancePerKilogram: 9))[0]);
    }
}
