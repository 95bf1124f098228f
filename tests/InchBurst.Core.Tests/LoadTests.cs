using CsCheck;
using InchBurst.Core.Load;
using InchBurst.Core.Plan;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;

namespace InchBurst.Core.Tests;

/// <summary>Load lines, friction, prescriptions, slopes and helped running.</summary>
public sealed class LoadTests(ITestOutputHelper output)
{
    private static readonly LoadPoint[] Published = [new(0, 8.9), new(15, 7.9), new(30, 6.95), new(45, 5.9)];

    // F0 8, V0 10, m 75, h 1.8: k/m 0.003735, flat top speed 9.572 m/s (science.md 4).
    private static readonly SprintCurve Example = new(9.572, 9.572 / 8);

    private static LoadKnown Known(double mu = 0.4, LoadLine? line = null) => new(Example, 75, new(mu, 0, true), line);

    // science.md 5: speeds of four loads, the line through them and what it asks for.
    [Fact]
    public void The_line_of_four_loads_is_the_published_one()
    {
        var line = LoadLine.Of(Published).Line!;
        Assert.Equal(8.905, line.Free, 3);
        Assert.Equal(0.06633, line.Slope, 5);
        Assert.Equal(13.42, line.For(10).Kilograms, 2);
        Assert.Equal(67.1, line.For(50).Kilograms, 1);
        Assert.Equal((4, 0.0, 45.0), (line.Runs, line.Least, line.Most));
        Assert.True(line.For(10).IsTested);
        Assert.False(line.For(50).IsTested);
        Assert.False(line.For(-2).IsTested);

        // Reckoned by hand from the four points: left over squares 0.00175 of 4.951875, Student's t of 2 degrees 2.9200 (from memory).
        Assert.Equal(1 - (0.00175 / 4.951875), line.R2, 6);
        var error = Math.Sqrt(0.00175 / 2);
        Assert.Equal(error / Math.Sqrt(1125), line.SlopeError, 9);
        Assert.Equal(error * Math.Sqrt(0.25 + (22.5 * 22.5 / 1125)), line.FreeError, 9);
        var (low, high) = line.RangeAt(22.5);
        Assert.Equal(2.91999 * error / 2, (high - low) / 2, 5);
        Assert.Equal(line.SpeedAt(22.5), (high + low) / 2, 9);
    }

    [Theory]
    [InlineData("15 30", "no free run")]
    [InlineData("", "no free run")]
    [InlineData("0 20 20", "there is 1")]
    [InlineData("0 0", "there are 0")]
    [InlineData("0 2 4", "too close together")]
    [InlineData("0 -20 -40", "not slower")]
    public void A_line_is_refused_with_its_reason(string loads, string says)
    {
        // A runner who slows by a hundredth of a metre a second for each kilogram, and by as much for each kilogram of pull.
        var runs = loads.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(double.Parse).Select(l => new LoadPoint(l, 9 - (0.07 * Math.Abs(l)))).ToList();
        var found = LoadLine.Of(runs);
        Assert.Null(found.Line);
        Assert.Contains(says, found.Reason, StringComparison.Ordinal);
    }

    [Fact]
    public void Speeds_that_scatter_more_than_they_fall_carry_no_line() =>
        Assert.Contains("not slower", LoadLine.Of([new(0, 8.5), new(10, 8.7), new(20, 8.2), new(30, 8.6)]).Reason, StringComparison.Ordinal);

    // science.md 5: mu 0.4, 10% at 21.2% of body mass, 25% at 52.6%, 50% at 104.1%.
    [Theory]
    [InlineData(10, 21.2)]
    [InlineData(25, 52.6)]
    [InlineData(50, 104.1)]
    public void One_sprint_and_friction_give_the_published_load(double decrement, double bodyPercent) =>
        Assert.Equal(bodyPercent, Known().For(decrement).Single(s => s.Kind == LoadSourceKind.Sprint).BodyPercent, 0.15);

    // science.md 5: Alcaraz et al. 2009 and Lockie et al. 2003 at 90% of free speed.
    [Fact]
    public void Rules_of_thumb_are_the_published_regressions()
    {
        Assert.Equal(9.9, LoadRules.TopSpeed(90), 1);
        Assert.Equal(12.6, LoadRules.Acceleration(90), 1);
        var sources = Known().For(10);
        Assert.Equal([LoadSourceKind.Sprint, LoadSourceKind.AccelerationRule, LoadSourceKind.TopSpeedRule], sources.Select(s => s.Kind));
        Assert.Equal(75 * 0.1259, sources[1].Load.Kilograms, 2);

        // A pull has no rule of thumb, and the line where there is one comes first.
        Assert.Equal([LoadSourceKind.Line, LoadSourceKind.Sprint], Known(line: LoadLine.Of(Published).Line).For(-5).Select(s => s.Kind));
    }

    // science.md 4: 3 degrees up -6.17%, down +6.14%; 10% at 4.86 degrees up and 4.90 down, a grade of 8.5%.
    [Fact]
    public void Slopes_change_speed_as_simulated()
    {
        Assert.Equal(6.17, Slope.DecrementOf(Known(), Slope.GradeOf(3)), 0.02);
        Assert.Equal(-6.14, Slope.DecrementOf(Known(), Slope.GradeOf(-3)), 0.02);
        Assert.Equal(4.86, Slope.DegreesOf(Slope.GradeFor(Known(), 10)!.Value), 0.02);
        Assert.Equal(-4.90, Slope.DegreesOf(Slope.GradeFor(Known(), -10)!.Value), 0.02);
        Assert.Equal(8.5, Slope.GradeFor(Known(), 10)!.Value, 0.1);
        Assert.Null(Slope.GradeFor(Known(), 90));
        Assert.Equal(5, Slope.GradeOfRise(5 / Math.Sqrt(1 + 0.0025) * 0.05, 5), 9);
    }

    // science.md 5: 105% of 9.00 m/s over 10 m is 1.058 s.
    [Fact]
    public void Towing_is_proved_by_a_gate_time() => Assert.Equal(1.058, Towing.ZoneSeconds(9, 5, 10), 3);

    [Theory]
    [InlineData(Surface.Track, 0.58)]
    [InlineData(Surface.Grass, 0.45)]
    [InlineData(Surface.Turf, 0.35)]
    [InlineData(Surface.Hall, 0.21)]
    [InlineData(Surface.Unsaid, 0.45)]
    public void Floors_have_their_published_friction(Surface surface, double mu) => Assert.Equal((mu, false), (Friction.Of(surface).Mu, Friction.Of(surface).IsMeasured));

    // The picture's own test: a 10 kg sled moved with 56 N.
    [Fact]
    public void A_pull_test_wins_over_the_table()
    {
        var (one, _) = Friction.OfPulls([56], 10);
        Assert.Equal((0.571, 0.0571, true), (Math.Round(one!.Mu, 3), Math.Round(one.Spread, 4), one.IsMeasured));
        var (three, _) = Friction.OfPulls([54, 56, 58], 10);
        Assert.Equal(0.571, three!.Mu, 3);

        // Standard error 2/sqrt(3) N, Student's t of 2 degrees 2.92 (from memory).
        Assert.Equal(2.92 * 2 / Math.Sqrt(3) / 98.1, three.Spread, 3);
        Assert.Equal(0.03 * 0.571, Friction.OfPulls([56, 56], 10).Friction!.Spread, 3);
        Assert.Contains("at least one reading", Friction.OfPulls([], 10).Problem, StringComparison.Ordinal);
        Assert.Contains("at least one reading", Friction.OfPulls([56], 0).Problem, StringComparison.Ordinal);
        Assert.Contains("friction of 3.00", Friction.OfPulls([56, 294.3], 10).Problem, StringComparison.Ordinal);
        Assert.Contains("friction of 0.04", Friction.OfPulls([3.924], 10).Problem, StringComparison.Ordinal);
    }

    [Fact]
    public void A_steep_rope_is_told_with_what_it_changes()
    {
        // 0.5 m over 5 m is 5.7 degrees, over 2 m 14.5: with friction 0.5 it leaves 1 / (1 + 0.5 tan 14.5).
        Assert.Null(new Rope(5, 0.5).Words(new(0.5, 0, true)));
        var steep = new Rope(2, 0.5);
        Assert.Equal(14.48, steep.Degrees, 2);
        Assert.Equal(1 / (1 + (0.5 * 0.2582)), steep.ShareLeft(new(0.5, 0, true)), 4);
        Assert.Equal("The rope rises 14°: it lifts the sled and takes 11% off the resistance. A longer rope pulls flatter.", steep.Words(new(0.5, 0, true)));
    }

    [Fact]
    public void Each_load_of_a_day_is_held_against_the_free_runs_of_that_day()
    {
        var day = new LoadTestPoints([new(0, 8), new(0, 9), new(20, 6.8), new(10, 7.65), new(20, 6.8)], 0.8, 0.004);
        Assert.Equal([(10.0, 10.0), (20.0, 20.0)], day.Slowings.Select(s => (s.Kilograms, Math.Round(s.Decrement, 9))));
        Assert.Empty(new LoadTestPoints([new(20, 6.8)], 0.8, 0.004).Slowings);
    }

    // ---- properties

    private static readonly Gen<LoadKnown> Anyone =
        from mss in Gen.Double[6, 11.5]
        from tau in Gen.Double[0.8, 1.5]
        from mass in Gen.Double[35, 110]
        from mu in Gen.Double[0.1, 0.9]
        from slope in Gen.Double[0.02, 0.2]
        from hasLine in Gen.Bool
        select new LoadKnown(new(mss, tau), mass, new(mu, mu * 0.1, true), hasLine ? LoadLine.Of([new(0, mss), new(0, mss - 0.02), new(10, mss - (10 * slope)), new(25, mss - (25 * slope))]).Line : null);

    [Fact]
    public void A_load_and_its_slowing_go_there_and_back() => Gen.Select(Anyone, Gen.Double[1, 70]).Sample((known, decrement) =>
    {
        Assert.Equal(decrement, known.DecrementAt(known.Best(decrement).Load.Kilograms), 1e-6);
        if (Slope.GradeFor(known, decrement) is { } grade)
        {
            Assert.Equal(decrement, Slope.DecrementOf(known, grade), 1e-6);
        }
    });

    [Fact]
    public void More_load_is_never_faster_and_more_friction_never_a_heavier_sled() => Gen.Select(Anyone, Gen.Double[-10, 80], Gen.Double[0, 40], Gen.Double[1, 2], Gen.Double[1, 70]).Sample((known, load, more, rougher, decrement) =>
    {
        Assert.True(known.DecrementAt(load + more) >= known.DecrementAt(load) - 1e-9);
        var (smooth, rough) = (known with { Line = null }, known with { Line = null, Friction = known.Friction with { Mu = known.Friction.Mu * rougher } });
        Assert.True(rough.Best(decrement).Load.Kilograms <= smooth.Best(decrement).Load.Kilograms + 1e-9);
        var range = known.Best(decrement).Load;
        Assert.True(range.Low <= range.Kilograms && range.Kilograms <= range.High);
    });

    [Fact]
    public void The_bracket_holds_no_speed_outside_it() => Gen.Select(Gen.Double[-20, 80], Gen.Double[1, 30], Gen.Double[1, 10], Gen.Double[-20, 90]).Sample((asked, bracket, ceiling, measured) =>
    {
        var window = LoadWindow.Of(LoadAim.All[0], asked, true, bracket, ceiling);
        Assert.True(window.Most <= bracket && window.Least >= -ceiling && window.Aimed >= window.Least && window.Aimed <= window.Most);
        if (LoadedTime.Judge(measured, window, null, MassReading.Kilogram).Kind == LoadVerdictKind.Inside)
        {
            Assert.InRange(measured, -ceiling - 0.5, bracket + 0.5);
        }

        Assert.All(LoadAim.Offered(80), a => Assert.InRange(a.Taken(80, bracket), a.Unit == LoadUnit.KeepMovement ? 0 : a.Least, a.Unit == LoadUnit.KeepMovement ? bracket : a.Most));
    });

    [Fact]
    public void Schools_offer_what_they_pull()
    {
        Assert.Equal(["Keep the movement"], LoadAim.Offered(10).Select(a => a.Name));
        Assert.Equal(["Keep the movement", "Strong push"], LoadAim.Offered(30).Select(a => a.Name));
        Assert.Equal(4, LoadAim.Offered(60).Count);
        Assert.Equal((30, 27, 25, 8, 6), (LoadAim.All[1].Taken(60, 10), LoadAim.All[1].Taken(27, 10), LoadAim.All[1].Taken(10, 10), LoadAim.All[0].Taken(60, 10), LoadAim.All[0].Taken(60, 6)));
        Assert.Equal(180, LoadAim.All[1].Rest(20));
        Assert.Equal("Strong push, Strong push, Keep the movement, Most power, Heavy start", string.Join(", ", new double[] { 30, 38, -15, 42, 90 }.Select(d => LoadAim.At(d).Name)));
    }

    // ---- times

    [Fact]
    public void A_time_says_how_much_slower() => Gen.Select(Anyone, Gen.Double[-10, 70], Gen.Int[0, 20], Gen.Int[5, 20]).Sample((known, decrement, from, length) =>
        Assert.Equal(decrement, LoadedTime.DecrementOf(known.Curve, from, from + length, LoadedTime.Of(known.Curve, from, from + length, decrement)), 1e-6));

    [Theory]
    [InlineData(10, 25.0, 5, 12, 10, "10% slower, inside", null)]
    [InlineData(36, 25.0, 25, 35, 30, "36% slower, too heavy: take 3.8 kg off", 21.25)]
    [InlineData(18, 25.0, 25, 35, 30, "18% slower, too light: add 3.8 kg", 28.75)]
    [InlineData(36, null, 25, 35, 30, "36% slower, too heavy: lighten it", null)]
    [InlineData(18, null, 25, 35, 30, "18% slower, too light", null)]
    [InlineData(-12, 10.0, -5, 0, -5, "12% faster, too much: take 5.8 kg off the cord", 4.166667)]
    [InlineData(-12, null, -5, 0, -5, "12% faster, too much: reduce the help, or stop", null)]
    [InlineData(-3, 6.0, -5, 0, -5, "3% faster, inside", null)]
    [InlineData(4, 6.0, -5, 0, -5, "4% slower: no help at all; look at cord and athlete before the next", 6.0)]
    public void A_measured_run_is_judged_and_the_next_load_named(double measured, double? kilograms, double least, double most, double aimed, string words, double? next)
    {
        var verdict = LoadedTime.Judge(measured, new(least, most, aimed), kilograms, MassReading.Kilogram);
        Assert.Equal(words, verdict.Words);
        Assert.Equal(verdict.Kind == LoadVerdictKind.TooSlow && least < 0 ? null : next, verdict.NextKilograms is { } to ? Math.Round(to, 6) : null);
    }

    [Fact]
    public void A_step_of_load_is_held()
    {
        Assert.Equal(20 * 1.15, LoadedTime.Next(20, 10, 30), 9);
        Assert.Equal(20 * 0.85, LoadedTime.Next(20, 60, 30), 9);
        Assert.Equal(20 * 30 / 32.0, LoadedTime.Next(20, 32, 30), 9);

        // Help that was too much is cut at once; a run that says nothing changes nothing.
        Assert.Equal(5, LoadedTime.Next(10, -10, -5), 9);
        Assert.Equal(10 * 1.15, LoadedTime.Next(10, -2, -5), 9);
        Assert.Equal(20, LoadedTime.Next(20, -1, 30), 9);
    }

    [Fact]
    public void The_window_in_seconds_is_the_aims()
    {
        var (fastest, slowest) = LoadedTime.Window(Example, 0, 20, new(25, 35, 30));
        Assert.Equal(new SprintCurve(Example.Mss * 0.75, Example.Tau).TimeTo(20), fastest, 9);
        Assert.Equal(new SprintCurve(Example.Mss * 0.65, Example.Tau).TimeTo(20), slowest, 9);
        Assert.Equal(new LoadWindow(5, 15, 10), LoadWindow.Of(null, 10, false, 10, 5));
        Assert.Equal(new LoadWindow(0, 7, 2), LoadWindow.Of(null, 2, false, 10, 5));
        Assert.Equal(new LoadWindow(25, 35, 35), LoadWindow.Of(LoadAim.All[1], 40, false, 10, 5));
        Assert.Equal(new LoadWindow(0, 10, 10), LoadWindow.Of(null, 40, true, 10, 5));
        Assert.Equal(new LoadWindow(-5, 0, -5), LoadWindow.Of(null, -8, true, 10, 5));
    }

    // ---- who must not be pulled

    [Fact]
    public void Towing_is_refused_with_every_reason()
    {
        Assert.Empty(Towing.Refusals(new(false, false, false, "", 30, 25, false)));
        Assert.Empty(Towing.Refusals(new(false, false, false, "", null, 25, false)));
        var all = Towing.Refusals(new(true, true, true, "Sore hamstring", 12, 24.2, true));
        Assert.Equal(5, all.Count);
        Assert.Contains(all, r => r.StartsWith("Sore hamstring: helped running", StringComparison.Ordinal) && r.Contains("clinician", StringComparison.Ordinal));
        Assert.Contains(all, r => r.Contains("12 m is short", StringComparison.Ordinal) && r.Contains("25 m", StringComparison.Ordinal));
        Assert.StartsWith("Helped running loads", Towing.Refusals(new(false, false, true, "", null, 0, false)).Single(), StringComparison.Ordinal);
        Assert.Equal([5.0, 6, 7, 8], Towing.StretchMetres(4));
    }

    [Fact]
    public void What_kit_costs_is_learnt_from_runs_with_and_without()
    {
        Assert.Null(KitCost.Of([]));
        Assert.Equal(new KitCost(12, 3, 1), KitCost.Of([12]));

        // Standard error of 10, 12, 14: 2/sqrt(3); Student's t of 2 degrees 2.92 (from memory).
        var cost = KitCost.Of([10, 12, 14])!;
        Assert.Equal((12, 3, 3.37), (cost.Decrement, cost.Runs, Math.Round(cost.Spread, 2)));
        Assert.Equal(0.88, LoadEffect.Of(new(LoadKind.Band, 0, LoadUnit.Heavy), Known() with { Costs = new Dictionary<string, KitCost> { ["bandheavy"] = cost } }).SpeedShare, 9);
        Assert.False(LoadEffect.Of(new(LoadKind.Band, 0, LoadUnit.Heavy), Known() with { Costs = new Dictionary<string, KitCost> { ["band"] = cost } }).Measured);
    }

    [Fact]
    public void The_sources_say_by_how_much_they_differ()
    {
        var line = LoadLine.Of(Published).Line;
        var known = Known(0.57, line);
        var sources = known.For(30);
        Assert.Equal(LoadSourceKind.Line, known.Best(30).Kind);
        Assert.StartsWith("The four differ by ", known.Disagreement(sources, MassReading.Kilogram), StringComparison.Ordinal);
        Assert.Contains("The two that know this athlete and floor", known.Disagreement(sources, MassReading.Kilogram), StringComparison.Ordinal);
        Assert.Contains("The three differ", Known().Disagreement(Known().For(30), MassReading.Kilogram), StringComparison.Ordinal);
        Assert.Contains("Only a load test", Known().Disagreement(Known().For(30), MassReading.Kilogram), StringComparison.Ordinal);
        Assert.Contains("one source only", Known().Disagreement(Known().For(-5), MassReading.Kilogram), StringComparison.Ordinal);
    }

    // ---- a simulated athlete whose truth the code under test does not see

    private sealed record Truth(double F0, double V0, double Mass, double Mu)
    {
        private RunConditions With(double kilograms) => new(new BodyAndAir(Mass, 1.78).DragConstant / Mass, ResistancePerKilogram: Mu * 9.81 * kilograms / Mass);

        public double DecrementAt(double kilograms) => 100 * (1 - (Top(kilograms) / Top(0)));

        private double Top(double kilograms) => new SprintSimulation(F0, V0).TopSpeed(With(kilograms));

        public LoadRun Run(double kilograms, IReadOnlyList<double> gates, Random random) =>
            new(kilograms, [.. new SprintSimulation(F0, V0).TimesTo(gates, With(kilograms)).Zip(gates, (t, d) => new GateTime(d, t + (0.01 * Normal(random))))]);

        public double KilogramsFor(double decrement)
        {
            double low = 0, high = 400;
            for (var i = 0; i < 60; i++)
            {
                var middle = (low + high) / 2;
                (low, high) = DecrementAt(middle) < decrement ? (middle, high) : (low, middle);
            }

            return low;
        }
    }

    private static double Normal(Random random) => Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());

    private static Truth Athlete(Random random) => new(6.2 + (2.6 * random.NextDouble()), 8 + (2.8 * random.NextDouble()), 48 + (45 * random.NextDouble()), 0.3 + (0.35 * random.NextDouble()));

    private static LoadLineOutcome Day(Truth truth, Random random)
    {
        var runs = LoadTestDay.Loads(truth.Mass, 10).SelectMany(l => Enumerable.Range(0, LoadTestDay.RunsOfEach).Select(_ => truth.Run(l, LoadTestDay.GatesAt, random))).ToList();
        return LoadTest.Points(runs, 1.1, truth.Mass).Line();
    }

    [Fact]
    public void A_test_day_of_four_loads_gives_loads_within_three_points_of_the_aim_for_95_of_100()
    {
        var random = new Random(11);
        var days = Enumerable.Range(0, 100).Select(_ => Athlete(random)).Select(t => (Truth: t, Day(t, random).Line)).ToList();
        foreach (var aim in new double[] { 8, 30, 50 })
        {
            var off = days.Select(d => d.Line is { } line ? d.Truth.DecrementAt(line.For(aim).Kilograms) - aim : 99).ToList();
            output.WriteLine($"aim {aim,2}%: within 3 points {off.Count(o => Math.Abs(o) <= 3)} of 100, mean {off.Average():0.00}, worst {off.Max(Math.Abs):0.0}");
            Assert.True(off.Count(o => Math.Abs(o) <= 3) >= 95, $"aim {aim}: {off.Count(o => Math.Abs(o) <= 3)}");
        }
    }

    [Fact]
    public void The_stated_range_holds_the_true_load_as_often_as_it_says()
    {
        var random = new Random(12);
        var days = Enumerable.Range(0, 2000).AsParallel().Select(i =>
        {
            var own = new Random(1000 + i);
            var truth = Athlete(own);
            return (Truth: truth, Day(truth, own).Line);
        }).Where(d => d.Line is not null).ToList();
        foreach (var aim in new double[] { 10, 30, 45 })
        {
            var held = days.Count(d => d.Line!.For(aim) is var load && d.Truth.KilogramsFor(aim) is var truth && load.Low <= truth && truth <= load.High) / (double)days.Count;
            output.WriteLine($"aim {aim}%: the 90% range holds the true load in {held:P1} of {days.Count} days");
            Assert.InRange(held, 0.85, 0.95);
        }
    }
}
