using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Progress;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;
using MathNet.Numerics.Distributions;

namespace InchBurst.Core.Tests;

/// <summary>The curve that stands for an athlete, against simulated seasons whose true curve is known.</summary>
public class StandingCurveTests
{
    private static readonly DateOnly Today = new(2026, 6, 30);

    private static LoggedRun Run(SprintCurve curve, int daysAgo, double effort, double[] gates, double behind, bool said, Random? random, StartTrigger trigger = StartTrigger.FirstGate, string load = "", StartPosition? start = null)
    {
        var own = curve.AtEffort(effort / 100);
        var lead = trigger == StartTrigger.FirstGate ? own.TimeTo(behind) : 0;
        var reaction = trigger == StartTrigger.Gun ? 0.17 : 0;
        return new()
        {
            Day = Today.AddDays(-daysAgo),
            Kind = WorkKind.Acceleration,
            Effort = effort,
            Trigger = trigger,
            Start = start,
            Load = load,
            StartBehindGateMetres = said ? behind : 0,
            StartSaid = said,
            Marks = [.. gates.Select(d => new LoggedMark(Distance.InMetres(d), Math.Round(own.TimeTo(d + behind) - lead + reaction + (random is null ? 0 : Normal.Sample(random, 0, 0.01)), 2)))],
        };
    }

    [Fact]
    public void It_lies_within_two_percent_of_the_truth_in_95_of_100_seasons_of_mixed_efforts_starts_and_mistakes()
    {
        var random = new Random(2026);
        double[][] sets = [[5, 10, 20, 30, 40], [10, 20, 30], [10, 20, 30, 40], [5, 10, 20, 30, 40, 60], [10, 20]];
        int near = 0, nearTau = 0, seasons = 200;
        for (var season = 0; season < seasons; season++)
        {
            var truth = new SprintCurve(7 + (random.NextDouble() * 3.5), 0.95 + (random.NextDouble() * 0.45));
            var runs = new List<LoggedRun>();
            for (var i = 0; i < 40; i++)
            {
                var form = new SprintCurve(truth.Mss * Normal.Sample(random, 1, 0.007), truth.Tau * Normal.Sample(random, 1, 0.02));
                var effort = random.Next(3) switch { 0 => 100.0, 1 => 100, _ => 75 + (random.Next(4) * 5) };
                var said = random.Next(3) > 0;
                var behind = random.Next(2) == 0 && said ? 0 : 0.3 + (random.NextDouble() * 0.4);
                var trigger = random.Next(5) switch { 0 => StartTrigger.FirstMove, 1 => StartTrigger.Gun, _ => StartTrigger.FirstGate };
                said |= trigger != StartTrigger.FirstGate;
                var run = Run(form, random.Next(1, 120), effort, sets[random.Next(sets.Length)], behind, said, random, trigger);
                runs.Add(random.Next(12) switch
                {
                    // A sled, a run into the line, and a slip of the finger.
                    0 => run with { Load = "sled15kg", Marks = [.. run.Marks.Select(m => m with { Seconds = Math.Round(m.Seconds * 1.25, 2) })] },
                    1 => run with { Start = StartPosition.Moving, Marks = [.. run.Marks.Select(m => m with { Seconds = Math.Round(m.Seconds - 0.5, 2) })] },
                    2 => run with { Marks = [.. run.Marks.Select((m, n) => n == run.Marks.Count / 2 ? m with { Seconds = Math.Round(m.Seconds + 0.3, 2) } : m)] },
                    _ => run,
                });
            }

            var found = StandingCurve.Of(runs, Today).Fit!;
            near += Math.Abs((found.Curve.Mss / truth.Mss) - 1) <= 0.02 ? 1 : 0;
            nearTau += Math.Abs((found.Curve.Tau / truth.Tau) - 1) <= 0.08 ? 1 : 0;
        }

        Assert.InRange(near, 190, 200);
        Assert.InRange(nearTau, 170, 200);
    }

    [Fact]
    public void Only_the_fullest_free_runs_from_rest_count()
    {
        var truth = new SprintCurve(9, 1.1);
        double[] gates = [5, 10, 20, 30, 40];
        var full = Run(truth, 10, 100, gates, 0, true, null);
        var easy = Run(truth, 1, 75, [5, 10, 20, 30, 40, 60], 0, true, null);
        var found = StandingCurve.Of([easy, full, Run(truth, 2, 92, gates, 0, true, null)], Today).Fit!;
        Assert.Equal((1, 100.0, Today.AddDays(-10)), (found.Runs, found.LeastEffort, found.Latest));
        Assert.Equal(9, found.Curve.Mss, 1);

        // Without one at 100%, the next fullest; they are said.
        Assert.Equal(95, StandingCurve.Of([easy, Run(truth, 3, 95, gates, 0, true, null), Run(truth, 2, 92, gates, 0, true, null)], Today).Fit!.LeastEffort);
        Assert.Equal(90, StandingCurve.Of([easy, Run(truth, 2, 90, gates, 0, true, null)], Today).Fit!.LeastEffort);
    }

    [Fact]
    public void The_lately_run_weighs_more_and_a_year_old_one_nothing()
    {
        double[] gates = [5, 10, 20, 30, 40];
        var then = Run(new(8, 1.1), 90, 100, gates, 0, true, null);
        var now = Run(new(9, 1.1), 0, 100, gates, 0, true, null);
        var both = StandingCurve.Of([then, now], Today).Fit!;

        // Two half-lives of 45 days: a weight of one against a quarter, but for what their own errors add.
        Assert.InRange(both.Curve.Mss, 8.6, 8.95);
        Assert.Null(StandingCurve.Of([then with { Day = Today.AddDays(-StandingCurve.OldestDays - 1) }], Today).Fit);
        Assert.NotNull(StandingCurve.Of([then with { Day = Today.AddDays(-StandingCurve.OldestDays) }], Today).Fit);
        Assert.Null(StandingCurve.Of([then with { Day = Today.AddDays(1) }], Today).Fit);
    }

    [Theory]
    [InlineData("none", "No run of the last year")]
    [InlineData("sled", "free runs straight on")]
    [InlineData("moving", "from rest")]
    [InlineData("turn", "straight on")]
    [InlineData("hand", "by gates")]
    [InlineData("easy", "90% or more")]
    [InlineData("short", "3 or more gates")]
    [InlineData("near", "too near")]
    [InlineData("unsaid", "Nobody has said")]
    public void Why_there_is_none_is_said(string what, string words)
    {
        var run = Run(new(9, 1.1), 3, 100, [5, 10, 20, 30, 40], 0, true, null);
        LoggedRun[] runs = what switch
        {
            "none" => [],
            "sled" => [run with { Load = "sled10kg" }],
            "moving" => [run with { Start = StartPosition.Moving }],
            "turn" => [run with { Course = "5m+t180R+10m" }],
            "hand" => [run with { Method = TimingMethod.Hand }],
            "easy" => [run with { Effort = 89 }],
            "short" => [run with { Marks = [.. run.Marks.Take(2)] }],
            "near" => [Run(new(9, 1.1), 3, 100, [1, 2, 4, 5], 0, true, null)],
            _ => [Run(new(9, 1.1), 3, 100, [10, 20, 30], 0.5, false, null)],
        };
        var outcome = StandingCurve.Of(runs, Today);
        Assert.Null(outcome.Fit);
        Assert.Contains(words, outcome.Reason);
    }

    [Fact]
    public void A_run_far_from_the_others_is_left_out()
    {
        double[] gates = [5, 10, 20, 30, 40];
        var runs = Enumerable.Range(1, 5).Select(i => Run(new(9, 1.1), i, 100, gates, 0, true, null)).Append(Run(new(10.5, 1.1), 1, 100, gates, 0, true, null)).ToList();
        var found = StandingCurve.Of(runs, Today).Fit!;
        Assert.Equal(5, found.Runs);
        Assert.Equal(9, found.Curve.Mss, 1);
        Assert.True(found.MssError is > 0 and < 0.2 && found.TauError is > 0 and < 0.1);
    }
}
