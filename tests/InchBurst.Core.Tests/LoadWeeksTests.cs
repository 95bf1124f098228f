using CsCheck;
using InchBurst.Core.Demand;
using InchBurst.Core.Load;
using InchBurst.Core.Plan;
using InchBurst.Core.School;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;

namespace InchBurst.Core.Tests;

/// <summary>Loads over weeks, contrast, the line with later days in it, rope and harness. Worked by hand; the rules themselves are common practice.</summary>
public class LoadWeeksTests
{
    private static readonly DateOnly Monday = new(2026, 11, 2);
    private static readonly LoadKnown Known = new(new SprintCurve(9, 1.2), 70, new(0.5, 0.05, true));

    private static LoadKnown WithLine => Known with { Line = LoadLine.Of([new(0, 9), new(0, 9.02), new(15, 8.1), new(30, 7.2), new(30, 7.22), new(45, 6.3)]).Line };

    private static LoadDay On(int day, double kilograms, double decrement) => new(Monday.AddDays(day), kilograms, decrement);

    private static string Steps(LoadPath path) => string.Join(", ", path.Weeks.Select(w => $"{w.Week} {w.Name} {w.Decrement:0}"));

    [Fact]
    public void A_school_goes_heavy_to_light_to_free_or_holds_the_load_light()
    {
        Assert.Equal("1 Heavy start 60, 2 Heavy start 60, 3 Most power 50, 4 Most power 50, 5 Strong push 30, 6 Keep the movement 8, 7 Keep the movement 8, 8 Free 0", Steps(LoadPath.Of(60, 10, 8)));
        Assert.Equal("1 Strong push 30, 2 Strong push 30, 3 Keep the movement 8, 4 Keep the movement 8, 5 Free 0, 6 Free 0", Steps(LoadPath.Of(30, 10, 6)));
        Assert.Equal(("1 Keep the movement 8", true), (Steps(LoadPath.Of(10, 10, 0)), LoadPath.Of(10, 10, 0).IsHeld));
        Assert.Equal(("1 Keep the movement 5", true), (Steps(LoadPath.Of(60, 5, 8, isYoung: true)), LoadPath.Of(60, 5, 8, isYoung: true).IsHeld));
        Assert.Equal("1 Heavy start 60", Steps(LoadPath.Of(60, 10, 1)));
        Assert.Equal([0.0, 8, 6, 0, 0], CoachingSchool.BuiltIn.Select(s => s["load.weeks"]));
    }

    [Fact]
    public void Loads_never_grow_over_the_weeks_and_no_week_is_heavier_than_the_school_pulls() => Gen.Select(Gen.Double[5, 80], Gen.Double[1, 30], Gen.Int[1, 16]).Sample((heaviest, bracket, weeks) =>
    {
        var path = LoadPath.Of(heaviest, bracket, weeks);
        Assert.Equal(weeks, path.Weeks.Count);
        Assert.All(path.Weeks.Zip(path.Weeks.Skip(1)), w => Assert.True(w.First.Decrement >= w.Second.Decrement));
        Assert.All(path.Weeks, w => Assert.True(w.Aim is null || w.Aim.Unit == LoadUnit.KeepMovement || w.Decrement <= heaviest + 1e-9));
    });

    [Fact]
    public void A_way_begins_anew_after_three_weeks_without_and_after_its_last_week()
    {
        LoadDay[] days = [On(0, 20, 20), On(21, 22, 22), On(43, 30, 30), On(50, 31, 31), On(60, 32, 32)];
        var (path, held) = (LoadPath.Of(60, 10, 8), LoadPath.Of(60, 10, 0));
        Assert.Equal([On(43, 30, 30), On(50, 31, 31)], path.Since(days, Monday.AddDays(55)));
        Assert.Equal([On(0, 20, 20), On(21, 22, 22)], path.Since(days.Reverse(), Monday.AddDays(42)));
        Assert.Equal(days[2..], path.Since(days, Monday.AddDays(81)));
        Assert.Empty(path.Since(days, Monday.AddDays(82)));
        Assert.Empty(path.Since([], Monday));

        // Eight weeks from the first are over on the 56th day, unless the load is held.
        LoadDay[] weekly = [.. Enumerable.Range(0, 9).Select(i => On(i * 7, 20, 20))];
        Assert.Equal(8, path.Since(weekly, Monday.AddDays(55)).Count);
        Assert.Equal([weekly[8]], path.Since(weekly, Monday.AddDays(58)));
        Assert.Empty(path.Since(weekly[..8], Monday.AddDays(56)));
        Assert.Equal(9, held.Since(weekly, Monday.AddDays(58)).Count);
        Assert.Equal([1, 1, 2, 8, 8], new[] { 0, 6, 7, 49, 400 }.Select(d => path.WeekAt([On(0, 20, 20)], Monday.AddDays(d)).Week));
        Assert.Equal(1, path.WeekAt([], Monday).Week);
    }

    [Fact]
    public void The_next_load_comes_from_what_was_measured_and_grows_by_a_step_at_most()
    {
        var path = LoadPath.Of(30, 10, 6);

        // The first of its way: the best source.
        var first = path.Next(Known, [], Monday, MassReading.Kilogram);
        Assert.Equal((Known.Best(30).Load.Kilograms, false, "The first of this way: the load for −30%."), (first.Kilograms, first.IsCapped, first.Words));

        // 20 kg took 25%: without a line 24 kg would take 30, above a step of 15% (23 kg).
        var capped = path.Next(Known, [On(0, 20, 25)], Monday.AddDays(3), MassReading.Kilogram);
        Assert.Equal((23, true), (Math.Round(capped.Kilograms, 9), capped.IsCapped));
        Assert.Equal("On 2 Nov 20 kg took 25% off. −30% would take 24 kg; a step is at most 15%.", capped.Words);

        // 20 kg took 28%: 21.4 kg. 24 kg took 40%: lighter at once, in full.
        Assert.Equal((20 * 30 / 28.0, false), (path.Next(Known, [On(0, 20, 28)], Monday.AddDays(3), MassReading.Kilogram).Kilograms, path.Next(Known, [On(0, 20, 28)], Monday.AddDays(3), MassReading.Kilogram).IsCapped));
        Assert.Equal(18, path.Next(Known, [On(0, 24, 40)], Monday.AddDays(3), MassReading.Kilogram).Kilograms, 9);

        // A test belongs to the way, and is not what is stepped from.
        Assert.Equal("On 2 Nov 20 kg took 28% off. This is the load for −30%.", path.Next(Known, [On(0, 20, 28), On(2, 45, 42) with { IsTest = true }], Monday.AddDays(3), MassReading.Kilogram).Words);
        Assert.Equal("Keep the movement", path.Next(Known, [On(-13, 45, 42) with { IsTest = true }, On(0, 20, 28)], Monday.AddDays(3), MassReading.Kilogram).Week.Name);

        // What hardly slowed tells nothing; with a line the line speaks.
        Assert.Equal(23, path.Next(Known, [On(0, 20, 2)], Monday.AddDays(3), MassReading.Kilogram).Kilograms, 9);
        Assert.Equal(WithLine.Line!.For(30).Kilograms, path.Next(WithLine, [On(0, 44, 35)], Monday.AddDays(3), MassReading.Kilogram).Kilograms, 9);

        // Week 3 keeps the movement, week 5 is free.
        var light = path.Next(WithLine, [On(0, 44, 30), On(9, 44, 30)], Monday.AddDays(15), MassReading.Kilogram);
        Assert.Equal(("Keep the movement", WithLine.Line.For(8).Kilograms), (light.Week.Name, light.Kilograms));
        Assert.EndsWith("This is the load for −8%.", light.Words);
        Assert.Equal((0, "Free"), (path.Next(Known, [On(0, 20, 28), On(14, 20, 8)], Monday.AddDays(30), MassReading.Kilogram).Kilograms, path.Next(Known, [On(0, 20, 28), On(14, 20, 8)], Monday.AddDays(30), MassReading.Kilogram).Week.Name));
        Assert.Contains("44 lb", path.Next(Known, [On(0, Figures.KilogramsFrom(44, MassReading.Pound), 28)], Monday.AddDays(3), MassReading.Pound).Words);
    }

    [Fact]
    public void Later_days_are_taken_as_a_share_of_their_own_free_speed()
    {
        LoadTestPoints Day(params (double Kilograms, double Speed)[] points) => new([.. points.Select(p => new LoadPoint(p.Kilograms, p.Speed))], 0.9, 0);
        var test = Day((0, 9), (0, 9), (15, 8), (30, 7), (45, 6));
        Assert.Equal(15, test.Line().Line!.Slope * 225, 6);

        // A tired day, everything 5% slower, changes nothing; a day without a free run says nothing.
        var with = test.With([Day((0, 8.55), (30, 6.65)), Day((30, 5))]);
        Assert.Equal([7.0], with.Points.Skip(5).Select(p => Math.Round(p.TopSpeed, 9)));
        Assert.Equal(test.Line().Line!.Slope, with.Line().Line!.Slope, 9);

        // One on which the same load took more bends the line down.
        Assert.True(test.With([Day((0, 9), (30, 6.5))]).Line().Line!.Slope > test.Line().Line!.Slope);
    }

    [Fact]
    public void Free_runs_after_loaded_ones_are_set_against_the_usual()
    {
        var at = new DateTime(2026, 11, 2, 16, 0, 0, DateTimeKind.Utc);
        DateTime[] loaded = [at.AddMinutes(5), at.AddMinutes(30)];
        Assert.Equal([false, false, true, true, false, true], new[] { 0, 5, 5.1, 17, 17.1, 42 }.Select(m => Contrast.IsAfter(loaded, at.AddMinutes(m))));
        Assert.False(Contrast.IsAfter([], at));
        double[] usual = [3.00, 3.02, 3.04];

        // Usual 3.02 with a scatter of 0.02; mean of 2.96 and 2.98 is 1.66% faster, within 0.02 sqrt(1/2 + 1/3) 2.920 / 3.02 = 1.77% (Student's t table, 2 degrees).
        var found = Contrast.Of([2.98, 2.96], usual)!;
        Assert.Equal((2, 3), (found.Runs, found.UsualRuns));
        Assert.Equal((2.97, 3.02), (Math.Round(found.Seconds, 9), Math.Round(found.Usual, 9)));
        Assert.Equal(100 * 0.05 / 3.02, found.FasterPercent, 9);
        Assert.Equal(1.765, found.Within, 3);
        Assert.False(found.IsReal);
        Assert.Equal("2.97 s free after the load, usual 3.02: 1.7% faster, within the usual scatter of 1.8%", found.Words);

        var slower = Contrast.Of([3.2], usual)!;
        Assert.True(slower.IsReal);
        Assert.Equal("3.20 s free after the load, usual 3.02: 6% slower", slower.Words);

        Assert.Null(Contrast.Of([3.2], usual[..2]));
        Assert.Null(Contrast.Of([], usual));
    }

    [Fact]
    public void A_harness_has_a_rope_and_a_steep_one_takes_friction_off()
    {
        // Belt at 0.6 of 1.75 m less a hook at 0.15: 0.9 m of 5 is 10.4 degrees; chest 0.72: 1.11 m, 12.8 degrees.
        var waist = new Harness(HarnessAt.Waist, 5, 0.15);
        Assert.Equal(Math.Asin(0.9 / 5) * 180 / Math.PI, waist.Rope.Degrees, 9);
        Assert.Equal(1.11, new Harness(HarnessAt.Chest, 5, 0.15).Rope.HeightMetres, 9);
        var kit = ClubKit.Empty with { Harness = waist };
        Assert.Equal(0.58 / (1 + (0.58 * Math.Tan(Math.Asin(0.18)))), kit.On(Surface.Track).Mu, 9);
        Assert.Equal(kit.On(Surface.Track).Mu / 5, kit.On(Surface.Track).Spread, 9);
        Assert.Equal(0.58, (kit with { Harness = new(HarnessAt.Waist, 6, 0.15) }).On(Surface.Track).Mu, 9);
        Assert.Equal(kit.Harness, ClubKit.Read(kit.Write()).Harness);
        Assert.Equal([null, "A rope is 0.5 to 50 m long.", "A rope is 0.5 to 50 m long.", "The hook on the sled stands 0 to 1 m above the floor.", "The hook on the sled stands 0 to 1 m above the floor."],
            new Harness[] { waist, new(HarnessAt.Waist, 0.4, 0), new(HarnessAt.Waist, double.NaN, 0), new(HarnessAt.Waist, 5, -0.1), new(HarnessAt.Waist, 5, 1.01) }.Select(h => h.Problem));
        Assert.Equal("That rope would rise 64°: it would lift the sled. Take a longer one.", new Harness(HarnessAt.Waist, 1, 0.15).Problem);
        Assert.NotEqual(Harness.Words(HarnessAt.Waist), Harness.Words(HarnessAt.Chest));
    }

    [Fact]
    public void Kinds_of_sled_have_friction_and_plates_of_their_own()
    {
        PullTest Pull(int day, string sled, double newtons) => new(Monday.AddDays(day), sled, Surface.Turf, 20, [newtons]);
        var kit = new ClubKit([new("A", 7.5), new("B", 10, "runners"), new("C", 15, "Wheels"), new("D", 12, "runners")], [new(10, 4)], [Pull(0, "B", 60), Pull(2, "C", 30), Pull(1, "D", 80)]);
        Assert.Equal(["runners", "Wheels"], kit.Kinds);
        Assert.Equal([30.0, 80, 30], new[] { "", "RUNNERS", "wheels" }.Select(k => Math.Round(kit.On(Surface.Turf, k).Mu * 20 * 9.81)));
        Assert.Equal(Friction.Of(Surface.Turf), kit.On(Surface.Turf, "skids"));

        // A test that was made with its kind said stands when the sled is gone, or called another kind since.
        var kept = kit with { Sleds = [new("B", 10, "Wheels")], Pulls = [Pull(0, "B", 60) with { Kind = "runners" }, Pull(1, "D", 80)] };
        Assert.Equal((60, Friction.Of(Surface.Turf)), (Math.Round(ClubKit.Read(kept.Write()).On(Surface.Turf, "runners").Mu * 20 * 9.81), kept.On(Surface.Turf, "wheels")));
        Assert.Equal([7.5, 10], kit.Shared(2).Select(s => s.SledKilograms));
        Assert.Equal([10.0, 12], kit.Shared(2, "Runners").Select(s => s.SledKilograms));
        Assert.Equal([7.5, 10], kit.Shared(2, "skids").Select(s => s.SledKilograms));
        Assert.Equal(kit.Kinds, ClubKit.Read(kit.Write()).Kinds);
        Assert.Empty(ClubKit.Read("{\"sleds\":[{\"name\":\"A\",\"kilograms\":7.5}],\"plates\":[],\"pulls\":[]}").Kinds);
        Assert.Equal("Say the kind in at most 40 characters.", ClubKit.Problem(new ClubSled("A", 7.5, new string('x', 41))));
        Assert.Null(ClubKit.Problem(new ClubSled("A", 7.5, new string('x', 40))));
    }

    [Fact]
    public void A_partner_is_kit_of_its_own()
    {
        var line = ShorthandLine.Read("4 x 10 m partner heavy").Line!;
        Assert.Equal((new LineLoad(LoadKind.Partner, 0, LoadUnit.Heavy), WorkKind.Resisted), (line.Load, line.Kind));
        Assert.Equal("partner heavy", ShorthandPrinter.LoadText(line.Load));
        Assert.Equal(LoadUnit.None, ShorthandLine.Read("4 x 10 m partner").Line!.Load!.Unit);
        Assert.Equal(line, PlanJson.Read(PlanJson.Write(SessionPlan.Empty.Add(line))).Lines.Single() with { Id = 0, Gates = line.Gates, For = line.For, Log = line.Log, Shape = line.Shape });

        // What a band of the same word is taken for, until runs with and without tell.
        Assert.Equal((25, false), (Math.Round(LoadEffect.Of(line.Load, Known).DecrementPercent), LoadEffect.Of(line.Load, Known).Measured));
        Assert.Equal(("partnerheavy", 18), (LoadEffect.CostKey(line.Load!), Math.Round(LoadEffect.Of(line.Load, Known with { Costs = new Dictionary<string, KitCost> { ["partnerheavy"] = new(18, 2, 6) } }).DecrementPercent)));
        Assert.Equal(["band", "chain", "parachute", "partner"], LoadEffect.Learnt);
        Assert.Equal("partner heavy", Trial.LoadWords("partnerheavy"));
    }
}
