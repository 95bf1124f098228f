using System.Globalization;
using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Progress;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;
using MathNet.Numerics.Distributions;

namespace InchBurst.Core.Tests;

/// <summary>Traces of radars and lasers: fitted as SciPy fits them (tools/reference/traces.py, numbers committed), with ranges that hold what they claim, and refused with a reason.</summary>
public class SpeedTraceTests
{
    // Standing, the sprint, and slowing down behind it.
    private static List<SpeedSample> Trace(double mss, double tau, double start, double ends, double slows, Func<double> noise, double step = 0.02) =>
        [.. Enumerable.Range(0, (int)Math.Round(ends / step)).Select(i => i * step).Select(t => new SpeedSample(t, (t < slows ? new SprintCurve(mss, tau).SpeedAt(t - start) : new SprintCurve(mss, tau).SpeedAt(slows - start) - (3 * (t - slows))) + noise()))];

    [Fact]
    public void The_fit_agrees_with_SciPy()
    {
        var lines = File.ReadAllLines(Path.Combine(AppContext.BaseDirectory, "Files", "reference-traces.tsv")).Skip(1).Select(l => l.Split('\t')).ToList();
        Assert.Equal(24, lines.Count);
        var whole = 0;
        Assert.All(lines, line =>
        {
            List<SpeedSample> rows = [.. line[0].Split(' ').Select(r => r.Split(':')).Select(r => new SpeedSample(double.Parse(r[0], CultureInfo.InvariantCulture), double.Parse(r[1], CultureInfo.InvariantCulture)))];
            double[] reference = [.. line[1..].Select(x => double.Parse(x, CultureInfo.InvariantCulture))];
            var found = TraceFit.Fit(rows).Fitted!;

            // What comes after the greatest speed is left out, which SciPy was not told; where nothing was, the numbers are the same.
            if (found.Used.Count == rows.Count)
            {
                whole++;
                Assert.Equal(reference[3], found.Rmse * found.Rmse * rows.Count, reference[3] * 1e-4);
                Assert.Equal(1, found.Curve.Mss / reference[0], 1e-4);
                Assert.Equal(1, found.Curve.Tau / reference[1], 2e-4);
                Assert.Equal(reference[2], found.StartSeconds, 2e-4);
            }

            Assert.Equal(1, found.Curve.Mss / reference[0], 0.02);
        });
        Assert.InRange(whole, 12, 24);
    }

    [Fact]
    public void A_clean_trace_gives_its_curve_and_start_again_and_what_comes_after_top_speed_is_left_out()
    {
        var fit = TraceFit.Fit(Trace(8.5, 1.2, 1.5, 12, 9, () => 0)).Fitted!;
        Assert.Equal(8.5, fit.Curve.Mss, 3);
        Assert.Equal(1.2, fit.Curve.Tau, 3);
        Assert.Equal(1.5, fit.StartSeconds, 3);

        // Smoothed over half a second the speed is back at 98% of its greatest a little after it began to fall.
        Assert.InRange(fit.Used[^1].Seconds, 8.9, 9.1);
        Assert.InRange(fit.Used[0].Seconds, 0.6, 0.95);
        Assert.True(fit.Rmse < 0.01);
        Assert.Equal(1.649, fit.Range90(1), 2); // t of some 400 rows, published tables: 1.649
    }

    [Theory]
    [InlineData(0.0)]
    [InlineData(0.7)]
    public void Ranges_hold_what_they_claim_whether_rows_are_independent_or_smoothed(double like)
    {
        var random = new Random(6);
        var (mss, tau) = (0, 0);
        const int Traces = 5000;
        for (var i = 0; i < Traces; i++)
        {
            var last = 0.0;
            double Next() => last = (like * last) + Normal.Sample(random, 0, 0.12 * Math.Sqrt(1 - (like * like)));
            var fit = TraceFit.Fit(Trace(8.8, 1.15, 1.1, 7.5, 99, Next, 0.04)).Fitted!;
            mss += Math.Abs(fit.Curve.Mss - 8.8) <= fit.Range90(fit.MssError) ? 1 : 0;
            tau += Math.Abs(fit.Curve.Tau - 1.15) <= fit.Range90(fit.TauError) ? 1 : 0;
        }

        Assert.InRange(mss / (double)Traces, 0.88, 0.92);
        Assert.InRange(tau / (double)Traces, 0.88, 0.92);
    }

    [Fact]
    public void What_is_no_sprint_from_rest_is_refused_in_words()
    {
        static string Why(IReadOnlyList<SpeedSample> rows) => TraceFit.Fit(rows) is { Fitted: null, Reason: { } reason } ? reason : "fitted";
        var clean = Trace(8.5, 1.2, 1.5, 8, 99, () => 0);
        Assert.Equal("A trace needs 20 or more rows of time and speed; this one has 19.", Why([.. clean.Take(19)]));
        Assert.Equal("The times do not rise from row to row.", Why([.. clean.Take(50), clean[10], .. clean.Skip(50)]));
        Assert.Equal("The times do not rise from row to row.", Why([.. clean.Take(50), clean[49], .. clean.Skip(50)]));
        Assert.Contains("Nobody runs", Why(Trace(0.9, 1.2, 1.5, 8, 99, () => 0)));
        Assert.Contains("begins at a run", Why([.. clean.Where(r => r.Seconds >= 2.1)]));

        // 1.5 s to 3.7 s are 2.2 s of sprint; 2.4 would be needed.
        Assert.Contains("ends 2.2 s after the start, before top speed shows; this run would need 2.4 s", Why([.. clean.Where(r => r.Seconds <= 3.7)]));
        Assert.Equal("fitted", Why([.. clean.Where(r => r.Seconds <= 4.0)]));
        var random = new Random(1);
        Assert.Contains("columns are time and speed", Why(Trace(8.5, 1.2, 1.5, 8, 99, () => Normal.Sample(random, 0, 0.9))));
        Assert.Contains("columns are time and speed", Why(Trace(14.2, 1.2, 1.5, 8, 99, () => 0)));
    }

    [Fact]
    public void A_trace_counts_towards_the_standing_curve_beside_gates_and_alone()
    {
        var today = new DateOnly(2026, 6, 1);
        LoggedRun Run(double mss) => new()
        {
            Day = today.AddDays(-10),
            Kind = WorkKind.MaxVelocity,
            Effort = 100,
            Marks = [.. new double[] { 5, 10, 20, 30, 40 }.Select(m => new LoggedMark(Distance.InMetres(m), new SprintCurve(mss, 1.2).TimeTo(m)))],
        };
        DayCurve Traced(double mss, int ago, double effort = 100) => new(today.AddDays(-ago), effort, new(mss, 1.1), 0.03, 0.02);

        var alone = StandingCurve.Of([], today, [Traced(8.4, 10)]).Fit!;
        Assert.Equal((8.4, 1.1, 1), (alone.Curve.Mss, alone.Curve.Tau, alone.Runs));
        var both = StandingCurve.Of([Run(8.5)], today, [Traced(8.4, 3)]).Fit!;
        Assert.Equal((2, today.AddDays(-3)), (both.Runs, both.Latest));
        Assert.InRange(both.Curve.Mss, 8.41, 8.49);

        // Too old, of a later day, or of less effort than the runs: it plays no part.
        Assert.Equal(1, StandingCurve.Of([Run(8.5)], today, [Traced(8.4, StandingCurve.OldestDays + 1), Traced(8.4, -1), Traced(8.4, 3, 95)]).Fit!.Runs);
        Assert.Equal(2, StandingCurve.Of([Run(8.5)], today, [Traced(8.4, StandingCurve.OldestDays)]).Fit!.Runs);
        Assert.Null(StandingCurve.Of([], today, [Traced(8.4, StandingCurve.OldestDays + 1)]).Fit);
        Assert.Equal(TimingMethod.Electronic, Run(8.5).Method);
    }
}
