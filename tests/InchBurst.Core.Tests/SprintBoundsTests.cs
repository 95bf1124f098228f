using InchBurst.Core.Sprint;

namespace InchBurst.Core.Tests;

/// <summary>Every bound of the fit and a step either side, its errors, and forces and simulation under wind, height, cold and load. Figures were computed by a program of its own in another language (Runge-Kutta at 0.1 ms).</summary>
public class SprintBoundsTests
{
    private static readonly SprintCurve Typical = new(8.5, 1.2);

    private static GateTime[] Run(SprintCurve curve, params double[] metres) => [.. metres.Select(d => new GateTime(d, curve.TimeTo(d)))];

    private static FitOutcome Fit(double mss, double tau) => SprintFit.Fit(Run(new(mss, tau), 5, 10, 20, 30, 40, 50));

    [Fact]
    public void A_curve_no_human_runs_is_refused_at_each_bound()
    {
        foreach (var (mss, tau) in new[] { (13.45, 1.2), (2.55, 1.2), (8.5, 0.21), (8.5, 3.45) })
        {
            var fit = Fit(mss, tau).Fitted!;
            Assert.Equal((mss, tau), (Math.Round(fit.Curve.Mss, 4), Math.Round(fit.Curve.Tau, 4)));
        }

        foreach (var (mss, tau) in new[] { (13.55, 1.2), (2.45, 1.2), (8.5, 0.19), (8.5, 3.55) })
        {
            Assert.Contains("which is not a sprint from rest", Fit(mss, tau).Reason);
        }

        Assert.Equal("The best curve would need a top speed of 13.6 m/s and a time constant of 1.20 s, which is not a sprint from rest: check the marks, the start and the distance behind the first gate.", Fit(13.6, 1.2).Reason);
    }

    [Fact]
    public void The_last_gate_must_lie_where_seven_eighths_of_top_speed_are_reached()
    {
        // 2 tau of 8.5 m/s and 1.2 s is 11.58 m.
        Assert.Equal("The last gate at 11.5 m is too near to show top speed; this run would need one past about 12 m.", SprintFit.Fit(Run(Typical, 2, 5, 11.5)).Reason);
        Assert.NotNull(SprintFit.Fit(Run(Typical, 2, 5, 11.7)).Fitted);
        GateTime[] Behind(double last) => [.. new[] { 2, 5, last }.Select(d => new GateTime(d, Typical.TimeTo(d + 0.5) - Typical.TimeTo(0.5)))];
        Assert.NotNull(SprintFit.Fit(Behind(11.2), new(0.5)).Fitted);
        Assert.Contains("too near", SprintFit.Fit(Behind(11.0), new(0.5)).Reason);
    }

    [Fact]
    public void There_is_a_gate_more_than_there_are_unknowns()
    {
        var gates = Run(Typical, 5, 10, 20, 30, 40);
        Assert.Equal("A curve needs times at 3 or more gates; this run has 2.", SprintFit.Fit(gates[..2]).Reason);
        Assert.NotNull(SprintFit.Fit(gates[..3]).Fitted);
        Assert.Equal("Nobody has said how far the start line is behind the first gate; finding it takes 4 or more gates.", SprintFit.Fit(gates[..3], new(null)).Reason);
        Assert.NotNull(SprintFit.Fit(gates[..4], new(null)).Fitted);
        Assert.Equal("A gun or hand start takes 4 or more gates, because the wait before the first step must be found as well.", SprintFit.Fit(gates[..3], new(0, FitClockOffset: true)).Reason);
        Assert.NotNull(SprintFit.Fit(gates[..4], new(0, FitClockOffset: true)).Fitted);
        Assert.Equal("4 gates cannot tell 4 unknowns apart; a gun or hand start from a line that nobody has measured takes 5.", SprintFit.Fit(gates[..4], new(null, FitClockOffset: true)).Reason);
        Assert.True((SprintFit.Fit(gates, new(null, FitClockOffset: true)) is { Fitted: { StartFitted: true, OffsetFitted: true } }) || SprintFit.Fit(gates, new(null, FitClockOffset: true)).Reason!.Contains("not a sprint", StringComparison.Ordinal));
        Assert.Equal("The times do not rise from gate to gate.", SprintFit.Fit([new(5, 1), new(5, 2), new(9, 3)]).Reason);
        Assert.Equal("The times do not rise from gate to gate.", SprintFit.Fit([new(5, 1), new(7, 1), new(9, 3)]).Reason);
        Assert.NotNull(SprintFit.Fit([]).Reason);
    }

    [Fact]
    public void Errors_of_the_fit_are_those_of_least_squares()
    {
        // Derivatives by differences and the inverse of two by two by hand.
        GateTime[] gates = [.. Run(Typical, 5, 10, 20, 30, 40).Select((g, i) => g with { Seconds = g.Seconds + (i % 2 == 0 ? 0.008 : -0.011) })];
        var fit = SprintFit.Fit(gates).Fitted!;
        const double h = 1e-5;
        double By(double metres, double dm, double dt) => (new SprintCurve(fit.Curve.Mss + dm, fit.Curve.Tau + dt).TimeTo(metres) - new SprintCurve(fit.Curve.Mss - dm, fit.Curve.Tau - dt).TimeTo(metres)) / (2 * h);
        double a = 0, b = 0, c = 0, squares = 0, slopeMss = 0, slopeTau = 0;
        foreach (var g in gates)
        {
            var (m, t, off) = (By(g.Metres, h, 0), By(g.Metres, 0, h), g.Seconds - fit.Curve.TimeTo(g.Metres));
            (a, b, c, squares, slopeMss, slopeTau) = (a + (m * m), b + (m * t), c + (t * t), squares + (off * off), slopeMss + (m * off), slopeTau + (t * off));
        }

        var variance = squares / 3 / ((a * c) - (b * b));
        Assert.Equal(0, slopeMss, 1e-8);
        Assert.Equal(0, slopeTau, 1e-8);
        Assert.Equal(Math.Sqrt(c * variance), fit.MssError!.Value, 1e-6);
        Assert.Equal(Math.Sqrt(a * variance), fit.TauError!.Value, 1e-6);
        Assert.Equal(-b * variance, fit.MssTauCovariance!.Value, 1e-7);
        Assert.Equal(Math.Sqrt(squares / 5), fit.Rmse, 1e-9);
    }

    private static SprintFitted Sure(int gates, double? mss = 0.04, double? tau = 0.02, double? covariance = 0.0005) =>
        new(Typical, 0, 0, mss, tau, covariance, [0.01, -0.02, 0.02], Run(Typical, [.. Enumerable.Range(1, gates).Select(i => i * 10.0)]), []);

    [Fact]
    public void Speed_errors_follow_the_delta_method()
    {
        Assert.Equal(0, Sure(5).SpeedErrorAt(0)!.Value, 1e-12);
        Assert.Equal(0.041151, Sure(5).SpeedErrorAt(1)!.Value, 1e-6);
        Assert.Equal(0.029309, Sure(5).SpeedErrorAt(3)!.Value, 1e-6);
        Assert.Equal(0.04, Sure(5).SpeedErrorAt(60)!.Value, 1e-9);
        Assert.Equal(0, Sure(5, covariance: 0.01).SpeedErrorAt(1));
        Assert.Null(Sure(5, mss: null).SpeedErrorAt(1));
        Assert.Null(Sure(5, tau: null).SpeedErrorAt(1));
        Assert.Null(Sure(5, covariance: null).SpeedErrorAt(1));
        Assert.Equal(0.0173205, Sure(5).Rmse, 1e-7);
    }

    // Student's t at 0.95 for 1 to 4 degrees of freedom, as printed in every table: 6.3138, 2.9200, 2.3534, 2.1318.
    [Theory]
    [InlineData(3, false, false, 6.3138)]
    [InlineData(4, false, false, 2.9200)]
    [InlineData(5, false, false, 2.3534)]
    [InlineData(6, false, false, 2.1318)]
    [InlineData(6, true, false, 2.3534)]
    [InlineData(6, false, true, 2.3534)]
    [InlineData(6, true, true, 2.9200)]
    [InlineData(2, false, false, null)]
    [InlineData(3, true, false, null)]
    public void Ranges_take_students_t_with_the_freedom_left(int gates, bool start, bool offset, double? t)
    {
        var range = (Sure(gates) with { StartFitted = start, OffsetFitted = offset }).Range90(0.5);
        Assert.Equal(t, range is { } r ? Math.Round(r / 0.5, 4) : null);
        Assert.Null(Sure(gates).Range90(null));
    }

    [Fact]
    public void A_suspect_gate_is_as_late_as_it_was_made()
    {
        Assert.Equal("20 m looks 0.40 s late", new SuspectGate(new(20, 3.7), 0.4).Text);
        Assert.Equal("18.29 m looks 0.30 s early", new SuspectGate(new(18.288, 3), -0.3).Text);
        double[] at = [5, 10, 15, 20, 30, 40, 50];
        GateTime[] Late(Func<double, double> clock, double wrong) => [.. at.Select(d => new GateTime(d, clock(d) + (d == 20 ? wrong : 0)))];
        Func<double, double> rest = Typical.TimeTo;
        Func<double, double> gate = d => Typical.TimeTo(d + 0.5) - Typical.TimeTo(0.5);
        Func<double, double> moved = d => Typical.TimeTo(d + 0.5);
        Func<double, double> gun = d => Typical.TimeTo(d + 0.5) + 0.17;
        foreach (var (clock, assumed) in new[] { (rest, new FitAssumptions()), (gate, new(0.5)), (moved, new(0.5, FromMovement: true)), (gun, new(0.5, true, true)), (gate, new(null)) })
        {
            foreach (var wrong in new[] { 0.4, -0.35 })
            {
                var fit = SprintFit.Fit(Late(clock, wrong), assumed).Fitted!;
                Assert.Equal((20, wrong), (fit.Suspect!.Gate.Metres, Math.Round(fit.Suspect.LateSeconds, 3)));
                Assert.Equal((8.5, 6), (Math.Round(fit.Curve.Mss, 3), fit.Used.Count));
            }

            // A slip under six hundredths is within what gates do.
            Assert.Null(SprintFit.Fit(Late(clock, 0.055), assumed).Fitted!.Suspect);
        }

        // Two wrong gates, or one among too few, cannot be told from a run of its own.
        GateTime[] two = [.. Late(rest, 0.4).Select(g => g.Metres == 40 ? g with { Seconds = g.Seconds - 0.4 } : g)];
        Assert.Null(SprintFit.Fit(two).Fitted?.Suspect);
        Assert.Null(SprintFit.Fit([new(10, Typical.TimeTo(10)), new(20, Typical.TimeTo(20) + 0.3), new(40, Typical.TimeTo(40))]).Fitted?.Suspect);
    }

    [Fact]
    public void Slowing_is_looked_for_beyond_50_metres_only()
    {
        // From 40 m on the runner loses a tenth of the speed.
        GateTime[] Slow(params double[] at) => [.. at.Select(d => new GateTime(d, Typical.TimeTo(Math.Min(d, 40)) + (Math.Max(0, d - 40) / 7.4)))];
        Assert.Empty(SprintFit.Fit(Slow(10, 20, 30, 40, 45, 50)).Fitted!.LeftOut);
        var far = SprintFit.Fit(Slow(5, 10, 20, 30, 40, 60, 70, 80)).Fitted!;
        Assert.Equal([60, 70, 80], far.LeftOut.Select(g => g.Metres));
        Assert.Equal([5, 10, 20, 30, 40], far.Used.Select(g => g.Metres));
        Assert.Equal(8.5, far.Curve.Mss, 0.02);

        // Gates up to 50 m stay in whatever they say, and a quick end is no slowing.
        Assert.All(SprintFit.Fit(Slow(10, 20, 30, 40, 50, 60, 70)).Fitted!.LeftOut, g => Assert.True(g.Metres > 50));
        GateTime[] quick = [.. Slow(10, 20, 30, 40).Concat([new(60, Typical.TimeTo(60) - 0.15), new(80, Typical.TimeTo(80) - 0.3)])];
        Assert.Empty(SprintFit.Fit(quick).Fitted!.LeftOut);
    }

    [Fact]
    public void A_curve_holds_its_digits_near_the_start()
    {
        const double t = 1e-6;
        Assert.Equal(1, Typical.DistanceAt(t) / (0.5 * 8.5 / 1.2 * t * t * (1 - (t / 3.6))), 1e-8);
        Assert.Equal(1, Typical.SpeedAt(t) / (8.5 / 1.2 * t * (1 - (t / 2.4))), 1e-12);
        Assert.Equal(1, Typical.TimeTo(1e-4) / (Math.Sqrt(2e-4 * 1.2 / 8.5) + (1e-4 / 8.5 / 3)), 1e-4);
        Assert.Equal((0, 0, 0, 0), (Typical.SpeedAt(-1), Typical.DistanceAt(-1), Typical.TimeTo(-1), Typical.DistanceAtShare(0)));
        Assert.Equal(0, Typical.DistanceAt(0));
        Assert.Equal(1001.2, Typical.TimeTo(8500), 4);
        Assert.Throws<ArgumentOutOfRangeException>(() => new SprintCurve(8, double.PositiveInfinity));
        Assert.Throws<ArgumentOutOfRangeException>(() => new SprintCurve(8, 0));
        Assert.Throws<ArgumentOutOfRangeException>(() => Typical.DistanceAtShare(-0.01));
        Assert.Throws<ArgumentException>(() => Splits.Segments([new(5, 1), new(5, 2)]));
        Assert.Throws<ArgumentException>(() => Splits.Segments([new(5, 1), new(6, 1)]));
        Assert.False(Splits.Segments([new(5, 1)])[0].IsFlying);
    }

    [Fact]
    public void Cold_and_thin_air_and_wind_change_forces_as_computed()
    {
        var cold = new BodyAndAir(70, 1.75, 10, 650, 2);
        Assert.Equal(0.236028, cold.DragConstant, 6);
        Assert.Equal(0.266705, new BodyAndAir(80, 1.9, 30, 700).DragConstant, 6);
        var helped = SprintForces.From(Typical, cold);
        Assert.Equal((7.025581, 8.658201, 0.490149, -0.074891), (Math.Round(helped.F0, 6), Math.Round(helped.V0, 6), Math.Round(helped.RatioMax, 6), Math.Round(helped.RatioDecrease, 6)));
        var against = SprintForces.From(Typical, new(70, 1.75, WindMetresPerSecond: -3));
        Assert.Equal((7.042987, 9.131150, 0.496238, -0.069986), (Math.Round(against.F0, 6), Math.Round(against.V0, 6), Math.Round(against.RatioMax, 6), Math.Round(against.RatioDecrease, 6)));
    }

    [Fact]
    public void A_simulated_run_keeps_its_times_at_height_and_under_load()
    {
        var runner = new SprintSimulation(9.9, 12.1);
        var drag = new BodyAndAir(78, 1.83).DragConstant / 78;
        void Same(double[] expected, IReadOnlyList<double> times) => Assert.All(expected.Zip(times), p => Assert.Equal(p.First, p.Second, 1e-5));
        Same([1.769669, 9.827794], runner.TimesTo([10, 100], new(drag)));
        Same([1.767016, 9.746228], runner.TimesTo([10, 100], new(drag, AltitudeMetres: 2240)));
        var team = new SprintSimulation(8, 9.5);
        Same([1.578556, 2.453402, 3.995661, 5.465537], team.TimesTo([5, 10, 20, 30], new(0.0037, ResistancePerKilogram: 2)));
        Same([0.372119, 0.538027, 0.785796], team.TimesTo([0.5, 1, 2], new(0.0037)));
        Assert.Empty(team.TimesTo([], new(0.0037)));

        // What takes longer than a minute is never reached.
        var slow = new SprintSimulation(8, 10).TimesTo([10, 100], new(0.003735, ResistancePerKilogram: 7.7));
        Assert.Equal(27.96, slow[0], 2);
        Assert.Equal(double.PositiveInfinity, slow[1]);
        Assert.Equal(10.9249, new SprintSimulation(8, 10).TopSpeed(new(0.003735, 25)), 4);
        Assert.Equal(9.6607, new SprintSimulation(8, 10).TopSpeed(new(0.003735, AltitudeMetres: 2000)), 4);
        Assert.Equal(9.1880, new SprintSimulation(8, 10).TopSpeed(new(0.003735, -4)), 4);
        Assert.Equal(0, new SprintSimulation(8, 10).TopSpeed(new(0.003735, ResistancePerKilogram: 8)));
    }
}
