using CsCheck;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.Log;
using InchBurst.Core.Make;
using InchBurst.Core.Plan;
using InchBurst.Core.Progress;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;

namespace InchBurst.Core.Tests;

/// <summary>What must hold for any run, however it is typed, reported or read.</summary>
public class LivePropertyTests
{
    private static readonly DateTime Now = new(2026, 3, 1, 17, 0, 0, DateTimeKind.Utc);

    // Runners between a slow junior and the best of a club, and two to five marks along a straight.
    private static readonly Gen<SprintCurve> Runner = Gen.Select(Gen.Double[5.5, 10.5], Gen.Double[0.95, 1.5], (top, tau) => new SprintCurve(top, tau));
    private static readonly Gen<List<Distance>> Marks = Gen.Int[1, 6].Array[2, 5].Select(steps => steps.Aggregate(new List<Distance>(), (all, s) => [.. all, Distance.InMetres((all.LastOrDefault().Metres) + (5 * s))]));

    private static string Text(double seconds) => seconds.ToString("0.00", System.Globalization.CultureInfo.InvariantCulture);

    private static double Hundredths(double seconds) => Math.Round(seconds, 2);

    [Fact]
    public void A_run_reads_the_same_typed_as_clock_times_as_stretches_or_on_the_zone_alone() =>
        Gen.Select(Runner, Marks, Gen.Bool).Sample((runner, marks, comma) =>
        {
            var clock = marks.Select(m => Hundredths(runner.TimeTo(m.Metres))).ToList();
            string[] Typed(IEnumerable<double> times) => [.. times.Select(t => comma ? Text(t).Replace('.', ',') : Text(t))];
            var context = new MarkContext();
            var whole = MarkEntry.Read(Typed(clock), marks, context);
            Assert.False(whole.IsRefused, string.Join(" ", whole.Doubts.Select(d => d.Message)));
            Assert.Equal(clock, whole.Marks.Select(m => m.Seconds));

            var stretches = MarkEntry.Read(Typed(clock.Select((t, i) => i == 0 ? t : t - clock[i - 1])), marks, context with { Mode = EntryMode.Segments });
            Assert.Equal(clock, stretches.Marks.Select(m => m.Seconds), (a, b) => Math.Abs(a - b) < 1e-9);

            var zone = MarkEntry.Read(Typed(clock.Skip(1).Select(t => t - clock[0])), marks, context with { Mode = EntryMode.ZoneOnly });
            Assert.True(zone.ZoneOnly);
            Assert.Equal(clock.Select(t => t - clock[0]), zone.Marks.Select(m => m.Seconds), (a, b) => Math.Abs(a - b) < 1e-9);
        }, iter: 500);

    [Fact]
    public void Whatever_is_left_out_the_marks_that_were_typed_are_kept_where_they_were() =>
        Gen.Select(Runner, Marks, Gen.Int[1, 31]).Sample((runner, marks, mask) =>
        {
            var kept = Enumerable.Range(0, marks.Count).Where(i => (mask >> i & 1) == 1).ToList();
            var read = MarkEntry.Read([.. marks.Select((m, i) => kept.Contains(i) ? Text(runner.TimeTo(m.Metres)) : i % 2 == 0 ? "" : "-")], marks, new());
            Assert.Equal(kept.Count == 0, read.IsRefused);
            Assert.Equal(kept.Select(i => (marks[i].Millimetres, Hundredths(runner.TimeTo(marks[i].Metres)))), read.Marks.Select(m => (m.At.Millimetres, m.Seconds)));
        }, iter: 500);

    [Fact]
    public void Two_times_in_the_wrong_order_are_always_refused_at_the_later_one() =>
        Gen.Select(Runner, Marks, Gen.Int[0, 3]).Sample((runner, marks, at) =>
        {
            var place = Math.Min(at, marks.Count - 2);
            var texts = marks.Select(m => Text(runner.TimeTo(m.Metres))).ToArray();
            (texts[place], texts[place + 1]) = (texts[place + 1], texts[place]);
            var read = MarkEntry.Read(texts, marks, new());
            Assert.True(read.IsRefused);
            Assert.Empty(read.Marks);
            Assert.Equal(place + 1, read.Doubts[0].Index);
        }, iter: 300);

    // An arm is at most half a metre ahead of the trunk, at a runner's speed.
    private const double ArmFirst = 20;

    [Fact]
    public void Gates_give_back_the_runners_times_whatever_their_clock_order_and_second_passes() =>
        Gen.Select(Runner, Marks, Gen.Double[-1e9, 1e9], Gen.Int[0, 31], Gen.Int[0, 1000], Gen.Bool).Sample((runner, marks, zero, twice, shuffle, zone) =>
        {
            // Gate 0 stands at the start, or at the first mark when only the zone is timed.
            double[] gates = zone ? [.. marks.Select(m => m.Metres)] : [0, .. marks.Select(m => m.Metres)];
            var passes = gates.Select((metres, gate) => new GatePass(gate, zero + (1000 * runner.TimeTo(metres)))).ToList();
            passes.AddRange([.. passes.Where(p => (twice >> p.Gate & 1) == 1).Select(p => p with { Milliseconds = p.Milliseconds - ArmFirst })]);
            var random = new Random(shuffle);
            var read = GateFeed.Read([.. passes.OrderBy(_ => random.Next())], marks, gates.Length, isSteady: false);
            Assert.Null(read.Problem);
            Assert.Equal(zone, read.ZoneOnly);
            var from = zone ? runner.TimeTo(marks[0].Metres) : 0;
            Assert.Equal(marks.Select(m => runner.TimeTo(m.Metres) - from), read.Seconds.Select(s => s!.Value), (a, b) => Math.Abs(a - b) < 0.0006);
        }, iter: 500);

    [Fact]
    public void A_gate_that_saw_nothing_costs_its_own_mark_only() =>
        Gen.Select(Runner, Marks, Gen.Int[0, 3]).Sample((runner, marks, lost) =>
        {
            // The last gate tells how many there are, so it is never the one lost here.
            var blind = 1 + Math.Min(lost, marks.Count - 2);
            var passes = new[] { 0.0 }.Concat(marks.Select(m => m.Metres)).Select((metres, gate) => new GatePass(gate, 1000 * runner.TimeTo(metres))).Where(p => p.Gate != blind).ToList();
            var read = GateFeed.Read(passes, marks, isSteady: false);
            Assert.Null(read.Problem);
            Assert.Equal(Enumerable.Range(0, marks.Count).Select(i => i == blind - 1), read.Seconds.Select(s => s is null));
        }, iter: 300);

    [Fact]
    public void A_measure_is_read_back_as_it_is_written_in_every_unit()
    {
        foreach (var kind in Enum.GetValues<MeasureKind>().Where(k => k != MeasureKind.Time))
        {
            var rule = Measures.Of(kind);

            // Half of the last figure shown, in the coarser unit: 0.1 in, 0.01 m, 0.01 s, a beat, 0.1 kg, a rep.
            var half = kind switch { MeasureKind.JumpHeight => 0.05 * 0.0254, MeasureKind.HeartRate or MeasureKind.Reps => 0.5, MeasureKind.Load => 0.05, _ => 0.005 };
            Gen.Select(Gen.Double[rule.Least, rule.Likely], Gen.Enum<DistanceUnit>(), Gen.Enum<MassReading>()).Sample((value, distance, mass) =>
            {
                var written = Measures.Text(new(kind, value), distance, mass);
                var (read, doubt, _) = Measures.Read(written.Split(' ')[0], kind, distance, mass);

                // Rounding may lead across a bound; inside of them nothing is lost but the last figure shown.
                if (doubt is null)
                {
                    Assert.Equal(written, Measures.Text(read!.Value, distance, mass));
                    Assert.Equal(value, read.Value.Value, half + 1e-9);
                }
                else
                {
                    Assert.True(value - rule.Least <= half + 1e-9 || rule.Likely - value <= half + 1e-9, $"{kind} {value}: {written}");
                }
            }, iter: 300);
        }
    }

    [Fact]
    public void Real_rests_are_found_however_the_goes_of_a_group_are_mixed() =>
        Gen.Select(Gen.Double[20, 400].Where(r => Math.Abs(r - 162) > 0.001).Array[1, 8].Array[1, 6], Gen.Double[2, 9], Gen.Int[0, 1000]).Sample((group, run, shuffle) =>
        {
            var goes = new List<Go>();
            for (var athlete = 0; athlete < group.Length; athlete++)
            {
                var at = Now.AddSeconds(athlete * 7);
                goes.Add(new(athlete, at, run));
                foreach (var rest in group[athlete])
                {
                    at = at.AddSeconds(rest + run);
                    goes.Add(new(athlete, at, run));
                }
            }

            var random = new Random(shuffle);
            var real = group.SelectMany(r => r).ToList();
            var found = SessionReview.Rests(goes.OrderBy(_ => random.Next()), 180, 180, 4)!;
            Assert.Equal(real.Count, found.Count);
            Assert.Equal(real.Min(), found.ShortestSeconds, 1e-5);
            Assert.Equal(MathNet.Numerics.Statistics.Statistics.Median(real), found.MedianSeconds, 1e-5);
            Assert.Equal(real.Count(r => r < 162), found.Short);
        }, iter: 300);

    [Fact]
    public void Left_and_right_changed_over_give_the_same_gap_to_the_other_side() =>
        Gen.Select(Gen.Double[1.5, 2.5].Array[1, 5], Gen.Double[1.5, 2.5].Array[1, 5], Gen.Enum<TimingMethod>()).Sample((left, right, method) =>
        {
            var (one, other) = (SideGap.Of(left, right, method)!, SideGap.Of(right, left, method)!);
            Assert.Equal(one.Share, other.Share, 1e-12);
            Assert.Equal(one.IsBeyondError, other.IsBeyondError);
            Assert.True(one.Share == 0 || one.IsLeftBetter != other.IsLeftBetter);
            Assert.True(method == TimingMethod.Electronic || !one.IsBeyondError || SideGap.Of(left, right, TimingMethod.Electronic)!.IsBeyondError, "a watch never sees what gates do not");
        }, iter: 500);

    [Fact]
    public void An_offer_ends_the_session_sooner_and_leaves_what_is_done_alone()
    {
        string[] lines = ["raise 5 min", "mobilise 4 min", "A-skip 2 x 15 m", "4 x 20 m rest 2:00", "3 x 20 build + 10 fly + 20 slow rest 4:00", "pogo hops 3 x 12", "5 x 30 m rest 3:00", "cool-down 5 min"];
        Gen.Select(Gen.Int[4, 24], Gen.Int[1, 3], Gen.Int[2, 7], Gen.Double[31, 1500]).Sample((athletes, lanes, on, late) =>
        {
            var plan = lines.Aggregate(SessionPlan.Empty, (p, l) => p.Add(ShorthandLine.Read(l).Line!));
            var setting = new ClockSetting(athletes, lanes, DemandAthlete.UsualCurve, ExerciseCatalogue.BuiltIn);
            var timeline = SessionClock.Lay(plan, setting);
            var item = timeline.Items[on];
            var forecast = Forecast.Of(timeline, item.Line.Id, 0, 1, item.StartSeconds + late, timeline.TotalSeconds);
            Assert.Equal(late, forecast.OverSeconds, 1e-6);
            foreach (var offer in Remaining.Offers(plan, item.Line.Id, setting, forecast, timeline.TotalSeconds))
            {
                Assert.True(offer.EndSeconds < forecast.FinishSeconds, offer.Label);
                Assert.Equal(plan.Lines.Take(on + 1), offer.Plan.Lines.Take(on + 1));
                Assert.All(offer.Plan.Lines, l => Assert.Equal(plan.Line(l.Id)!.Rest, l.Rest));
                Assert.All(offer.Plan.Lines, l => Assert.Contains(plan.Lines, p => p.Id == l.Id));
            }
        }, iter: 150);
    }
}
