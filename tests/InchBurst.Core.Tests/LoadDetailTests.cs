using InchBurst.Core.Load;
using InchBurst.Core.Plan;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;

namespace InchBurst.Core.Tests;

/// <summary>Figures, bounds and words of the room of loads, one by one. Bands, usual costs and rests are common practice.</summary>
public class LoadDetailTests
{
    private static readonly SprintCurve Curve = new(9, 1.2);
    private static readonly LoadKnown Known = new(Curve, 70, new(0.5, 0, true), CurveShare: 0);
    private static readonly LoadDocument Athlete = new(9, 1.2, 70, new(0.5, 0.05, false), null, null, 10, 30, MassReading.Kilogram);

    private static LoadEffect Of(LoadKind kind, double amount, LoadUnit unit) => LoadEffect.Of(new(kind, amount, unit), Known);

    [Fact]
    public void Aims_are_bands_with_distances_rests_runs_and_what_to_look_for()
    {
        Assert.Equal(
            """
            KeepMovement Keep the movement -10 10 8, 20-40 m, 60 s, 3-6 | the same posture, rhythm and contacts as free; only a little slower | a run is more than 10% slower than free, or posture changes | a free run after every one or two
            StrongPush Strong push 25 35 30, 10-20 m, 90 s, 4-6 | longer contacts, shorter steps, the trunk rising late, still running | speed is under 65% of free, upright by the third step, or steps turn to marching | as many free runs of the same length
            MostPower Most power 45 55 50, 10-20 m, 90 s, 3-5 | a long push behind the body at every step, speed still rising at 10 m | speed is under 45% of free or stops rising before the end | free starts of 5 to 10 m
            HeavyStart Heavy start 55 75 60, 5-15 m, 90 s, 2-4 | whole-foot pushes at a low angle, every step forward | it stops moving forward, the hips lift, or the back rounds | free starts of 5 m, full rest
            """.ReplaceLineEndings("\n"),
            string.Join('\n', LoadAim.All.Select(a => $"{a.Unit} {a.Name} {a.Least} {a.Most} {a.Usual}, {a.LeastMetres}-{a.MostMetres} m, {a.RestFor10} s, {a.LeastRuns}-{a.MostRuns} | {a.See} | {a.Lighten} | {a.Next}")));
        Assert.Equal([1, 2, 2, 3, 4], new[] { 24.9, 25, 44.9, 45, 55 }.Select(h => LoadAim.Offered(h).Count));
        Assert.Equal([false, true, true, false], new[] { 24.99, 25, 35, 35.01 }.Select(LoadAim.All[1].Holds));
    }

    [Fact]
    public void What_a_load_does_is_known_from_what_is_said_of_it()
    {
        Assert.Equal((LoadSense.Free, 1, true), (LoadEffect.None.Sense, LoadEffect.None.SpeedShare, LoadEffect.None.Measured));
        Assert.Same(LoadEffect.None, Of(LoadKind.Lift, 80, LoadUnit.PercentMaximum));
        Assert.Equal(
            [LoadSense.Resisted, LoadSense.Assisted, LoadSense.Resisted, LoadSense.Resisted, LoadSense.Assisted, LoadSense.Resisted, LoadSense.Resisted, LoadSense.Assisted],
            new LoadLineSaid[] { new(LoadKind.Sled, -20), new(LoadKind.Band, 5), new(LoadKind.Sled, 5), new(LoadKind.Tow, -5), new(LoadKind.Tow, 0), new(LoadKind.Band, 0), new(LoadKind.Band, -5), new(LoadKind.Downhill, 4) }.Select(l => Of(l.Kind, l.Percent, LoadUnit.PercentSpeed).Sense));
        Assert.Equal((LoadSense.Assisted, LoadSense.Resisted, LoadSense.Resisted), (LoadEffect.SenseOf(new(LoadKind.Band, 5, LoadUnit.PercentSpeed)), LoadEffect.SenseOf(new(LoadKind.Band, 0, LoadUnit.PercentSpeed)), LoadEffect.SenseOf(new(LoadKind.Band, 0, LoadUnit.Light))));
        Assert.Equal([(0.8, true), (1.05, true)], new[] { Of(LoadKind.Sled, -20, LoadUnit.PercentSpeed), Of(LoadKind.Tow, 5, LoadUnit.PercentSpeed) }.Select(e => (Math.Round(e.SpeedShare, 9), e.Measured)));

        // Worn: half of its share of the whole mass (common practice).
        Assert.Equal((1 - (0.5 * 7 / 77), true), (Of(LoadKind.Vest, 7, LoadUnit.Kilogram).SpeedShare, Of(LoadKind.Vest, 7, LoadUnit.Kilogram).Measured));
        Assert.Equal((30, true), (Math.Round(Of(LoadKind.Sled, 0, LoadUnit.StrongPush).DecrementPercent, 9), Of(LoadKind.Sled, 0, LoadUnit.StrongPush).Measured));
        Assert.True(Of(LoadKind.Sled, 20, LoadUnit.Kilogram).Measured);

        // A hill in degrees is the hill in percent; down it is faster by about as much as up slower.
        var (up, down) = (Of(LoadKind.Uphill, 5, LoadUnit.PercentGrade), Of(LoadKind.Downhill, 5, LoadUnit.PercentGrade));
        Assert.Equal(up.SpeedShare, Of(LoadKind.Uphill, Math.Atan(0.05) * 180 / Math.PI, LoadUnit.Degree).SpeedShare, 9);
        Assert.True(up is { Measured: true, SpeedShare: < 0.97 } && down is { Measured: true, SpeedShare: > 1.03, Sense: LoadSense.Assisted });

        // Nothing said: what is usual, and not measured.
        Assert.Equal(
            [8, 40, 15, 8, 40, 15, 5, 25, 12, 5, 25, 12, 9, -4, -4, 3, 5],
            new LineLoad[]
            {
                new(LoadKind.Sled, 0, LoadUnit.Light), new(LoadKind.Sled, 0, LoadUnit.Heavy), new(LoadKind.Sled, 0, LoadUnit.None), new(LoadKind.Chain, 0, LoadUnit.Light), new(LoadKind.Chain, 0, LoadUnit.Heavy), new(LoadKind.Chain, 0, LoadUnit.Medium),
                new(LoadKind.Band, 0, LoadUnit.Light), new(LoadKind.Band, 0, LoadUnit.Heavy), new(LoadKind.Band, 0, LoadUnit.None), new(LoadKind.Partner, 0, LoadUnit.Light), new(LoadKind.Partner, 0, LoadUnit.Heavy), new(LoadKind.Partner, 0, LoadUnit.None),
                new(LoadKind.Uphill, 0, LoadUnit.None), new(LoadKind.Downhill, 0, LoadUnit.None), new(LoadKind.Tow, 0, LoadUnit.None), new(LoadKind.Vest, 0, LoadUnit.None), new(LoadKind.Parachute, 0, LoadUnit.None),
            }.Select(l => LoadEffect.Of(l, Known) is { Measured: false } effect ? Math.Round(effect.DecrementPercent, 9) : double.NaN));
        Assert.Equal(["band", "bandlight"], new[] { LoadUnit.None, LoadUnit.Light }.Select(u => LoadEffect.CostKey(new(LoadKind.Band, 0, u))));
        Assert.Equal(7, LoadEffect.Of(new(LoadKind.Band, 0, LoadUnit.None), Known with { Costs = new Dictionary<string, KitCost> { ["band"] = new(7, 1, 3) } }).DecrementPercent, 9);
    }

    private sealed record LoadLineSaid(LoadKind Kind, double Percent);

    [Fact]
    public void Heavy_is_what_slows_by_more_than_a_tenth_and_what_stops_is_not_moved()
    {
        LoadEffect Slower(double percent, LoadSense sense = LoadSense.Resisted) => new(sense, 1 - (percent / 100), true);
        Assert.Equal([false, true, false], new[] { Slower(10), Slower(10.001), Slower(20, LoadSense.Assisted) }.Select(e => e.IsHeavy));
        Assert.Equal([true, false], new[] { new LoadEffect(LoadSense.Resisted, 0.05, true), new LoadEffect(LoadSense.Resisted, 0.051, true) }.Select(e => e.CannotMove));
        Assert.Equal((6.3, 1.2), (Math.Round(Slower(30).On(Curve).Mss, 9), Math.Round(Slower(30).On(Curve).Tau, 9)));
        Assert.Equal(0.45, Slower(100).On(Curve).Mss, 9);
        Assert.Same(Curve, LoadEffect.None.On(Curve));
    }

    [Fact]
    public void The_range_from_one_sprint_holds_friction_and_push_and_a_rule_a_fifth()
    {
        LoadAmount Sprint(LoadKnown known) => known.For(30).Single(s => s.Kind == LoadSourceKind.Sprint).Load;
        double At(double mu) => Sprint(Known with { Friction = new(mu, 0, true) }).Kilograms;
        var value = At(0.5);
        Assert.Equal((value, value, false), (Sprint(Known).Low, Sprint(Known).High, Sprint(Known).IsTested));

        // Friction alone, push alone (two standard errors' share at 1.645 for 90%), and both in squares.
        var (friction, push) = (Sprint(Known with { Friction = new(0.5, 0.1, true) }), Sprint(Known with { CurveShare = 0.03 }));
        Assert.Equal((Math.Round(At(0.6), 9), Math.Round(At(0.4), 9)), (Math.Round(friction.Low, 9), Math.Round(friction.High, 9)));
        Assert.Equal((Math.Round(value * (1 - (2 * 0.03 * 1.645)), 9), Math.Round(value * (1 + (2 * 0.03 * 1.645)), 9)), (Math.Round(push.Low, 9), Math.Round(push.High, 9)));
        var both = Sprint(Known with { Friction = new(0.5, 0.1, true), CurveShare = 0.03 });
        Assert.Equal(value - Math.Sqrt(Math.Pow(value - friction.Low, 2) + Math.Pow(value - push.Low, 2)), both.Low, 9);
        Assert.Equal(value + Math.Sqrt(Math.Pow(friction.High - value, 2) + Math.Pow(push.High - value, 2)), both.High, 9);
        Assert.Equal(At(0.05), Sprint(Known with { Friction = new(0.1, 0.09, true) }).High, 6);

        // 70% of speed: -1.96 x 70 + 188.99 = 51.79% of 70 kg (Lockie et al. 2003), a fifth either way.
        var rule = Known.For(30).Single(s => s.Kind == LoadSourceKind.AccelerationRule);
        Assert.Equal((51.79, 36.253, 29.0024, 43.5036, false), (Math.Round(rule.BodyPercent, 9), Math.Round(rule.Load.Kilograms, 9), Math.Round(rule.Load.Low, 9), Math.Round(rule.Load.High, 9), rule.Load.IsTested));
        Assert.DoesNotContain(Known.For(-5), s => !s.KnowsAthlete);
    }

    [Fact]
    public void How_far_sources_differ_is_one_sentence()
    {
        LoadSource Source(LoadSourceKind kind, double kg, double half) => new(kind, new(kg, kg - half, kg + half), kg / 0.7);
        var (line, sprint, fast, top) = (Source(LoadSourceKind.Line, 30, 1), Source(LoadSourceKind.Sprint, 33, 2), Source(LoadSourceKind.AccelerationRule, 37, 7), Source(LoadSourceKind.TopSpeedRule, 23, 5));
        Assert.Equal("The four differ by 14 kg, 20% of body mass. The two that know this athlete and floor agree within 3 kg; a rule of thumb cannot.", Known.Disagreement([line, sprint, fast, top], MassReading.Kilogram));
        Assert.Equal("The three differ by 7 kg, 10% of body mass. The two that know this athlete and floor differ by 3 kg; a rule of thumb cannot.", Known.Disagreement([line, Source(LoadSourceKind.Sprint, 33, 1.9), fast], MassReading.Kilogram));
        Assert.Contains("differ by 3 kg;", Known.Disagreement([Source(LoadSourceKind.Line, 33, 1.9), Source(LoadSourceKind.Sprint, 30, 1)], MassReading.Kilogram));
        Assert.Contains("agree within 3 kg;", Known.Disagreement([Source(LoadSourceKind.Line, 33, 2), Source(LoadSourceKind.Sprint, 30, 1)], MassReading.Kilogram));
        Assert.Equal("The two differ by 10 kg, 14% of body mass. Only a load test knows this athlete on this floor.", Known.Disagreement([sprint, top], MassReading.Kilogram));
        Assert.Equal("There is one source only; a load test would tell how far it is right.", Known.Disagreement([sprint], MassReading.Kilogram));
    }

    [Fact]
    public void A_line_has_its_errors_and_the_range_of_a_load_is_Fiellers()
    {
        // Least squares of the four runs of the check value, worked in Python: v0 8.905, s 0.066333, errors 0.024749 and 0.000882, covariance 1.75e-05, R2 0.999647.
        var line = LoadLine.Of([new(0, 8.9), new(15, 7.9), new(30, 6.95), new(45, 5.9)]).Line!;
        Assert.Equal((8.905, 0.066333, 0.024749, 0.000882, 1.75e-05, 0.999647), (Math.Round(line.Free, 6), Math.Round(line.Slope, 6), Math.Round(line.FreeError, 6), Math.Round(line.SlopeError, 6), Math.Round(line.Covariance, 8), Math.Round(line.R2, 6)));
        Assert.Equal((4, 0.0, 45.0, 2.92), (line.Runs, line.Least, line.Most, Math.Round(line.T, 3)));
        foreach (var decrement in new double[] { 5, 10, 30, 50, 60 })
        {
            // At both ends p v0 - s L is t times its own error (Fieller 1954, from memory).
            var (p, load) = (decrement / 100, line.For(decrement));
            Assert.All([load.Low, load.High], l => Assert.Equal(line.T * Math.Sqrt((p * p * line.FreeError * line.FreeError) + (l * l * line.SlopeError * line.SlopeError) - (2 * p * l * line.Covariance)), Math.Abs((p * line.Free) - (line.Slope * l)), 9));
            Assert.True(load.Low < load.Kilograms && load.Kilograms < load.High);
        }

        // Tested from the lightest to the heaviest, both within.
        var exact = LoadLine.Of([new(0, 9), new(0, 9), new(15, 8), new(30, 7), new(45, 6)]).Line!;
        Assert.Equal([true, true, false], new[] { 0, 100.0 / 3, 33.34 }.Select(d => exact.For(d).IsTested));
        Assert.Equal((0.0, 0.0), (exact.SpeedAt(135), exact.SpeedAt(200)));
        Assert.Equal(1, exact.R2, 9);

        // With a bend the line is straight in v + b v^2: 9 + 0.81, 8 + 0.64, 7 + 0.49 at 0, 10 and 19.83 kg.
        var bent = LoadLine.Of([new(0, 9), new(10, 8), new(10 * (9.81 - 7.49) / (9.81 - 8.64), 7)], 0.01).Line!;
        Assert.Equal((9, 8, 7), (Math.Round(bent.SpeedAt(0), 9), Math.Round(bent.SpeedAt(10), 9), Math.Round(bent.SpeedAt(10 * 2.32 / 1.17), 9)));
        Assert.Equal(0, bent.SpeedAt(100));
        Assert.Contains("there are 0", LoadLine.Of([new(0, 9), new(0, 9)]).Reason);
        Assert.Contains("there is 1.", LoadLine.Of([new(0, 9), new(20, 8)]).Reason);
        Assert.Contains("at least 2 loads", LoadLine.Of([new(0, 9), new(20, 8)]).Reason);
    }

    [Fact]
    public void An_answer_says_nothing_until_it_is_worked_out_and_minds_what_is_beyond()
    {
        Assert.All(typeof(LoadAnswer).GetProperties().Where(p => p.PropertyType == typeof(string) && p.CanWrite), p => Assert.Equal("", p.GetValue(new LoadAnswer())));
        Assert.Equal("There is no athlete.", Assert.Throws<System.Text.Json.JsonException>(() => LoadDocument.Read("null")).Message);

        // Steps of half a kilogram without plates; what is asked is then what the step makes.
        var (answer, step) = (LoadAnswer.Of(Athlete, 29.4), LoadAnswer.Of(Athlete, 29.4, 3));
        Assert.Equal((29.0, answer.Kilograms + 1.5, Math.Round(step.Decrement)), (answer.Asked, step.Kilograms, step.Asked));
        Assert.Equal(answer.Kilograms - 1, LoadAnswer.Of(Athlete, 29.4, -2).Kilograms);
        Assert.Equal("to the nearest half kilogram: your plates are not known", answer.Plates);
        Assert.Equal(["One sprint + friction", "Rule: acceleration, 15 m", "Rule: top speed"], answer.Sources.Select(s => s.Name));
        Assert.Equal($"\u03bc 0.50 \u00b1 0.05, from the table", answer.Sources[0].Note);
        Assert.All(answer.Sources.Skip(1), s => Assert.Equal((Figures.Exact(s.Kilograms / 0.7, 1) + "% of body mass", s.Kilograms, s.Kilograms), (s.Note, s.Low, s.High)));
        Assert.Equal(["", "\u2212", "\u2212"], LoadAnswer.Of(Athlete with { Friction = new(0.2, 0.02, true) }, 30).Sources.Select(s => s.Apart.Length == 0 ? "" : s.Apart[..1]));
        Assert.Contains(LoadAnswer.Of(Athlete with { Friction = new(1.2, 0.02, true) }, 30).Sources, s => s.Apart.StartsWith('+'));
        Assert.Matches(@"^about \d+% uphill \(\d+\.\d°\), approximate$", answer.Hill);
        Assert.Matches(@"^about \d% downhill \(\d\.\d°\), approximate$", LoadAnswer.Of(Athlete, -4).Hill);
        Assert.Equal("no hill is that steep", LoadAnswer.Of(Athlete, 80).Hill);

        // The axis is whole fives around everything shown, a kilogram clear.
        foreach (var decrement in new double[] { 8, 30, 60 })
        {
            var of = LoadAnswer.Of(Athlete, decrement);
            var (low, high) = (Math.Min(of.Kilograms, of.Sources.Min(s => s.Low)), Math.Max(of.Kilograms, of.Sources.Max(s => s.High)));
            Assert.Equal((Math.Floor((low - 1) / 5) * 5, Math.Ceiling((high + 1) / 5) * 5), (of.AxisLow, of.AxisHigh));
        }

        // Free is no load, and no pull.
        var free = LoadAnswer.Of(Athlete, 0);
        Assert.Equal((0.0, "0% of body mass", "sled -0%v", "", "\u22120%"), (free.Kilograms, free.Body, free.Shorthand, free.Mind, free.Percent));
        Assert.Equal(0, LoadAnswer.OfMass(Athlete, double.NaN).Kilograms);
        Assert.Equal(LoadAnswer.Of(Athlete, Athlete.Known().DecrementAt(20)).Kilograms, LoadAnswer.OfMass(Athlete, 20).Kilograms);
    }

    [Theory]
    [InlineData(30.2, false, "")]
    [InlineData(31.5, false, "heavier than the school pulls (30%)")]
    [InlineData(10.3, true, "between two aims: keep the movement is -10 to 10% slower")]
    [InlineData(12, true, "between two aims: keep the movement is -10 to 10% slower; too heavy for a young athlete: light loads only")]
    [InlineData(-4, true, "young athletes are not pulled; pulled running: check cord and anchor, nobody in line with it")]
    public void What_is_minded_begins_half_a_percent_beyond(double decrement, bool isYoung, string says)
    {
        // Loads that fall on the half kilogram asked for: friction so that this slowing is exactly 20 kg, or a pull of 5.
        var wanted = decrement < 0 ? -5.0 : 20;
        var one = Athlete.Known() with { Friction = new(0.5, 0, true) };
        var mu = 0.5 * one.Best(decrement).Load.Kilograms / wanted;
        var answer = LoadAnswer.Of(Athlete with { Friction = new(mu, 0.01, true), IsYoung = isYoung }, decrement);
        Assert.Equal(decrement, answer.Decrement, 6);
        Assert.Equal(says.Replace("-10 to", $"{Figures.Number(-10)} to", StringComparison.Ordinal), answer.Mind.Replace("between two aims: keep the movement is \u221210 to 10% slower; heavier", "heavier", StringComparison.Ordinal));
    }

    [Fact]
    public void Equal_stacks_prefer_few_plates_then_the_lighter_load()
    {
        Assert.Equal([20.0], new SledKit(10, [20, 10, 10]).For(30).Plates);
        Assert.Equal([5.0], new SledKit(10, [10, 5]).For(17.5).Plates);
        Assert.Equal([5.0, 5], new SledKit(10, [5, 5, 5]).For(20).Plates);
        Assert.Empty(new SledKit(10, [5]).For(12.5).Plates);
        Assert.Empty(new SledKit(10, [5]).For(10).Plates);
        Assert.Equal([5.0], new SledKit(10, [5]).For(12.6).Plates);
    }

    [Fact]
    public void Twelve_athletes_on_two_sleds_are_shared_nearly_as_well_as_by_trying_all()
    {
        var random = new Random(5);
        for (var day = 0; day < 3; day++)
        {
            var kits = SledKit.Share([7.5, 7.5], [(20, 2), (10, 4), (5, 4), (2.5, 4), (1.25, 2)]);
            var asked = Enumerable.Range(0, 12).Select(_ => 10 + (50 * random.NextDouble())).ToList();
            var (one, two) = (asked.Select(k => kits[0].For(k)).ToList(), asked.Select(k => kits[1].For(k)).ToList());
            var found = PlateOrder.Two(one, two);
            Assert.Equal((6, 6), (found.One.Order.Count, found.Two.Order.Count));
            Assert.Equal(Enumerable.Range(0, 12), found.One.Order.Concat(found.Two.Order).Order());
            Assert.Equal(found.One.Moves, PlateOrder.MovesOf([.. found.One.Order.Select(i => one[i])]));
            var best = Enumerable.Range(0, 1 << 12).Where(mask => System.Numerics.BitOperations.PopCount((uint)mask) == 6)
                .Min(mask => PlateOrder.One([.. Enumerable.Range(0, 12).Where(i => (mask & (1 << i)) != 0).Select(i => one[i])]).Moves + PlateOrder.One([.. Enumerable.Range(0, 12).Where(i => (mask & (1 << i)) == 0).Select(i => two[i])]).Moves);
            Assert.InRange(found.One.Moves + found.Two.Moves, best, best + 1);
        }
    }

    [Fact]
    public void Top_speeds_of_a_day_are_found_with_and_without_a_second_gate()
    {
        // Air moves little: one gate each and a time constant of 1.2 s, times of 9 and 6.3 m/s.
        var (free, slow) = (new SprintCurve(9, 1.2), new SprintCurve(6.3, 1.2));
        var one = LoadTest.Points([new(0, [new(20, free.TimeTo(20))]), new(30, [new(20, slow.TimeTo(20))])], 1.2, 70);
        Assert.Equal(1 / 1.2, one.Fall, 9);
        Assert.InRange(one.Slowings.Single().Decrement, 28, 32);
        Assert.InRange(one.Points[0].TopSpeed, 8.5, 9.6);

        // What no human runs is left out.
        Assert.Single(LoadTest.Points([new(0, [new(20, free.TimeTo(20))]), new(30, [new(20, 0.4)]), new(30, [new(20, 200)])], 1.2, 70).Points);
        var mean = new LoadTestPoints([new(0, 9), new(0, 8), new(30, 6), new(30, 4)], 0.8, 0.004);
        Assert.Equal((30.0, 100 * (1 - (5 / 8.5))), mean.Slowings.Single());
        Assert.Equal(0.005, new LoadTestPoints([new(0, 9), new(0, 9.01), new(15, 8), new(30, 7), new(30, 7.01)], 0.8, 0.004).Line().Line!.Bend, 9);
    }
}
