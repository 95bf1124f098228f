using CsCheck;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Load;
using InchBurst.Core.Plan;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;

namespace InchBurst.Core.Tests;

/// <summary>Plates on sleds, the order in which the fewest move, and loads that slow alike.</summary>
public sealed class PlateTests
{
    private static readonly SledKit Kit = new(7.5, [20, 10, 10, 5, 2.5]);

    [Theory]
    [InlineData(27.5, "20", 27.5)]
    [InlineData(25, "10 5 2.5", 25)]
    [InlineData(32.4, "20 5", 32.5)]
    [InlineData(100, "20 10 10 5 2.5", 55)]
    [InlineData(2, "", 7.5)]
    [InlineData(8.7, "", 7.5)]
    [InlineData(8.8, "2.5", 10)]
    public void A_load_is_made_of_the_plates_owned(double wanted, string plates, double kilograms)
    {
        var stack = Kit.For(wanted);
        Assert.Equal((plates, kilograms), (string.Join(' ', stack.Plates), stack.Kilograms));
    }

    [Fact]
    public void No_other_stack_comes_nearer() => Gen.Select(Gen.Int[0, 3].Select(i => new[] { 0.5, 2, 5, 7.5 }[i]).Array[0, 6], Gen.Double[1, 60], Gen.Double[1, 12]).Sample((plates, wanted, sled) =>
    {
        var best = new SledKit(sled, plates).For(wanted);
        var nearest = Enumerable.Range(0, 1 << plates.Length).Min(mask => Math.Abs(sled + plates.Where((_, i) => (mask & (1 << i)) != 0).Sum() - wanted));
        Assert.Equal(nearest, Math.Abs(best.Kilograms - wanted), 9);
        Assert.Equal(best.Plates.OrderDescending(), best.Plates);
    });

    [Fact]
    public void Plates_are_shared_between_sleds()
    {
        var two = SledKit.Share([7.5, 9], [(10, 3), (5, 2), (20, 1)]);
        Assert.Equal(["7.5: 20 10 10 5", "9: 10 5"], two.Select(k => $"{k.SledKilograms}: {string.Join(' ', k.Plates)}"));
        Assert.Equal(SledKit.MostPlates, SledKit.Share([7.5], [(5, 40)])[0].Plates.Count);
    }

    [Theory]
    [InlineData("10 5 2.5", "10 10", 3)]
    [InlineData("10 5", "10 5 2.5", 1)]
    [InlineData("", "10 5", 2)]
    [InlineData("10 2.5", "10 5 2.5", 3)]
    [InlineData("10", "10", 0)]
    public void Plates_under_others_are_reached_by_taking_those_off(string before, string after, int moves)
    {
        Assert.Equal(moves, Stack(after).Moves(Stack(before)));
        Assert.Equal(moves, Stack(before).Moves(Stack(after)));
    }

    private static PlateStack Stack(string text) => new(7.5, [.. text.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(double.Parse)]);

    private static readonly Gen<PlateStack[]> Squad = Gen.Double[8, 60].Select(k => new SledKit(7.5, [20, 10, 10, 5, 5, 2.5, 1.25]).For(k)).Array[1, 8];

    private static IEnumerable<T[]> Orders<T>(T[] of) => of.Length <= 1 ? [of] : of.SelectMany((first, i) => Orders<T>([.. of.Take(i), .. of.Skip(i + 1)]).Select(rest => (T[])[first, .. rest]));

    [Fact]
    public void On_one_sled_no_order_moves_fewer_plates() => Squad.Sample(
        squad =>
        {
            var found = PlateOrder.One(squad);
            Assert.Equal(Enumerable.Range(0, squad.Length), found.Order.Order());
            Assert.Equal(found.Moves, PlateOrder.MovesOf([.. found.Order.Select(i => squad[i])]));
            Assert.True(found.Moves <= PlateOrder.MovesOf(squad));
            var six = squad.Take(6).ToArray();
            Assert.Equal(Orders(six).Min(o => PlateOrder.MovesOf(o)), PlateOrder.One(six).Moves);
        },
        iter: 200);

    [Fact]
    public void Eight_on_one_sled_are_ordered_as_well_as_by_trying_all() => Gen.Double[8, 60].Select(k => new SledKit(7.5, [20, 10, 10, 5, 5, 2.5, 1.25]).For(k)).Array[8].Sample(
        squad => Assert.Equal(Orders(squad).Min(o => PlateOrder.MovesOf(o)), PlateOrder.One(squad).Moves), iter: 12);

    [Fact]
    public void On_two_sleds_as_many_run_on_each_and_no_sharing_moves_fewer_plates() => Gen.Double[8, 60].Array[2, 8].Sample(
        wanted =>
        {
            var kits = SledKit.Share([7.5, 7.5], [(20, 2), (10, 3), (5, 4), (2.5, 2)]);
            PlateStack[] one = [.. wanted.Select(kits[0].For)], two = [.. wanted.Select(kits[1].For)];
            var found = PlateOrder.Two(one, two);
            Assert.Equal(Enumerable.Range(0, wanted.Length), found.One.Order.Concat(found.Two.Order).Order());
            Assert.InRange(found.One.Order.Count - found.Two.Order.Count, 0, 1);
            var least = Enumerable.Range(0, 1 << wanted.Length).Where(m => int.PopCount(m) == (wanted.Length + 1) / 2).Min(m =>
                Orders(one.Where((_, i) => (m & (1 << i)) != 0).ToArray()).Min(o => PlateOrder.MovesOf(o)) + Orders(two.Where((_, i) => (m & (1 << i)) == 0).ToArray()).Min(o => PlateOrder.MovesOf(o)));
            Assert.Equal(least, found.One.Moves + found.Two.Moves);
        },
        iter: 60);

    [Fact]
    public void A_squad_of_forty_on_two_sleds_moves_no_more_than_as_given() => Gen.Double[8, 60].Array[11, 40].Sample(
        wanted =>
        {
            var kit = SledKit.Share([7.5, 7.5], [(20, 2), (10, 4), (5, 4), (2.5, 4)])[0];
            PlateStack[] stacks = [.. wanted.Select(kit.For)];
            var found = PlateOrder.Two(stacks, stacks);
            Assert.Equal(Enumerable.Range(0, wanted.Length), found.One.Order.Concat(found.Two.Order).Order());
            var given = PlateOrder.MovesOf([.. stacks.Where((_, i) => i % 2 == 0)]) + PlateOrder.MovesOf([.. stacks.Where((_, i) => i % 2 == 1)]);
            Assert.True(found.One.Moves + found.Two.Moves <= given);
            Assert.True(PlateOrder.One(stacks).Moves <= PlateOrder.MovesOf(stacks));
        },
        iter: 40);

    [Fact]
    public void Nobody_moves_nothing()
    {
        Assert.Equal(([], 0), (PlateOrder.One([]).Order, PlateOrder.One([]).Moves));
        Assert.Empty(PlateOrder.Two([], []).One.Order);
    }

    // ---- what slows alike is judged, timed and rested alike

    [Fact]
    public void Loads_that_slow_an_athlete_alike_ask_alike_in_whatever_unit_they_are_said() => Gen.Select(Gen.Double[6.5, 10.5], Gen.Double[0.9, 1.4], Gen.Double[45, 100], Gen.Double[2, 60], Gen.Bool).Sample((mss, tau, mass, decrement, hasLine) =>
    {
        var known = new LoadKnown(new(mss, tau), mass, Friction.Of(Surface.Track), hasLine ? LoadLine.Of([new(0, mss), new(15, mss * 0.86), new(30, mss * 0.7), new(40, mss * 0.61)]).Line : null);
        var athlete = new DemandAthlete(known.Curve, mass) { Loads = known };
        var kilograms = known.Best(decrement).Load.Kilograms;
        List<LineLoad> loads = [new(LoadKind.Sled, -decrement, LoadUnit.PercentSpeed), new(LoadKind.Sled, kilograms, LoadUnit.Kilogram), new(LoadKind.Sled, kilograms / mass * 100, LoadUnit.PercentBodyMass), new(LoadKind.Sled, Figures.MassIn(kilograms, MassReading.Pound), LoadUnit.Pound)];
        if (Slope.GradeFor(known, decrement) is { } grade)
        {
            loads.Add(new(LoadKind.Uphill, grade, LoadUnit.PercentGrade));
            loads.Add(new(LoadKind.Uphill, Slope.DegreesOf(grade), LoadUnit.Degree));
        }

        var demands = loads.Select(l => LineDemand.Of(Shorthand.ShorthandLine.Read("4 x 20 m").Line! with { Load = l }, (Exercise?)null, athlete)).ToList();
        Assert.All(demands, d =>
        {
            Assert.Equal(demands[0].Load.SpeedShare, d.Load.SpeedShare, 1e-7);
            Assert.Equal(demands[0].PaceOf(0).Seconds, d.PaceOf(0).Seconds, 1e-5);
            Assert.Equal(demands[0].PaceOf(0).ClearSeconds, d.PaceOf(0).ClearSeconds, 1e-5);
            Assert.Equal((demands[0].Load.IsHeavy, demands[0].IsResisted), (d.Load.IsHeavy, d.IsResisted));
        });
    });

    [Fact]
    public void An_aim_slows_as_it_is_meant_to() => Assert.All(LoadAim.All, a =>
    {
        var load = LoadEffect.Of(new(LoadKind.Sled, 0, a.Unit), new(new(9, 1.2), 70, Friction.Of(Surface.Track)));
        Assert.Equal((a.Usual, true, LoadSense.Resisted), (Math.Round(load.DecrementPercent, 9), load.Measured, load.Sense));
    });

    // The closed solution against the step-by-step simulation of the same forces.
    [Fact]
    public void A_run_with_air_is_as_the_simulation_has_it() => Gen.Select(Gen.Double[6, 9], Gen.Double[8, 11], Gen.Double[0.003, 0.005], Gen.Double[0, 3]).Sample(
        (f0, v0, drag, load) =>
        {
            var conditions = new RunConditions(drag, ResistancePerKilogram: load);
            var simulation = new SprintSimulation(f0, v0);
            var curve = new AirCurve(simulation.TopSpeed(conditions), f0 / v0, drag);
            var times = simulation.TimesTo([5, 20, 40], conditions);
            Assert.Equal(times[0], curve.TimeTo(5), 2e-5);
            Assert.Equal(times[1], curve.TimeTo(20), 2e-5);
            Assert.Equal(times[2], curve.TimeTo(40), 2e-5);
            Assert.Equal(20, curve.DistanceAt(curve.TimeTo(20)), 1e-8);
            Assert.Equal(0, curve.TimeTo(0));
        },
        iter: 200);
}
