using System.Globalization;
using InchBurst.Core.Sprint;
using MathNet.Numerics.LinearAlgebra;
using MathNet.Numerics.Optimization;

namespace InchBurst.Core.Tests;

/// <summary>The program's fit against two others on the same runs: SciPy (tools/reference/fits.py, numbers committed) and MathNet's Levenberg-Marquardt.</summary>
public class ReferenceFitTests
{
    private static readonly double[] Metres = [5, 10, 15, 20, 30, 40];

    private sealed record Reference(string Kind, double[] Times, double Mss, double Tau, double Start, double Offset, double Squares);

    private static FitAssumptions Of(string kind) => kind switch
    {
        "plain" => new(0, false, true),
        "known" => new(0.5),
        "start" => new(null),
        "gun" => new(0, true, true),
        _ => new(null, true, true),
    };

    private static IEnumerable<Reference> References => File.ReadAllLines(Path.Combine(AppContext.BaseDirectory, "Files", "reference-fits.tsv")).Skip(1).Select(l => l.Split('\t'))
        .Select(c => (Kind: c[0], Times: Numbers(c[1]), Found: c[2..].Select(x => double.Parse(x, CultureInfo.InvariantCulture)).ToArray()))
        .Select(c => new Reference(c.Kind, c.Times, c.Found[0], c.Found[1], c.Found[2], c.Found[3], c.Found[4]));

    private static double[] Numbers(string text) => [.. text.Split(' ').Select(x => double.Parse(x, CultureInfo.InvariantCulture))];

    private static List<GateTime> Marks(Reference r) => [.. Metres.Zip(r.Times, (m, t) => new GateTime(m, t))];

    [Theory]
    [InlineData("plain", 1e-4)]
    [InlineData("known", 1e-4)]
    [InlineData("start", 1e-4)]
    [InlineData("gun", 1e-4)]
    [InlineData("both", 1e-4)]
    public void Every_kind_of_fit_agrees_with_SciPy(string kind, double within)
    {
        var all = References.Where(r => r.Kind == kind).ToList();
        Assert.Equal(40, all.Count);

        // A few have no top speed within their gates, or no human one, and are refused.
        var taken = all.Select(r => (Reference: r, Fit: SprintFit.Fit(Marks(r), Of(kind)).Fitted)).Where(x => x.Fit is { LeftOut.Count: 0, Suspect: null }).ToList();
        Assert.InRange(taken.Count, 30, 40);
        Assert.All(taken, x =>
        {
            var (r, found) = (x.Reference, x.Fit!);
            Assert.Equal(r.Squares, found.Residuals.Sum(e => e * e), Math.Max(1e-9, r.Squares * 1e-5));
            Assert.Equal(1, found.Curve.Mss / r.Mss, within);
            Assert.Equal(1, found.Curve.Tau / r.Tau, within);
            Assert.Equal(r.Start, found.StartBehindGateMetres, within * 10);
            Assert.Equal(r.Offset, found.ClockOffsetSeconds, within * 10);
        });
    }

    [Fact]
    public void The_plain_fit_agrees_with_MathNet()
    {
        var x = Vector<double>.Build.Dense(Metres);
        Assert.All(References.Where(r => r.Kind == "plain"), r =>
        {
            var objective = ObjectiveFunction.NonlinearModel((p, at) => at.Map(m => new SprintCurve(p[0], p[1]).TimeTo(m)), x, Vector<double>.Build.Dense(r.Times), accuracyOrder: 6);
            var other = new LevenbergMarquardtMinimizer(gradientTolerance: 1e-14, stepTolerance: 1e-14, functionTolerance: 1e-14).FindMinimum(objective, Vector<double>.Build.Dense([8.0, 1.1]));

            var found = SprintFit.Fit(Marks(r), Of("plain")).Fitted!.Curve;
            Assert.Equal(1, found.Mss / other.MinimizingPoint[0], 1e-4);
            Assert.Equal(1, found.Tau / other.MinimizingPoint[1], 1e-4);
        });
    }

    // The gates of a session and a noise of 10 ms: what is given as a 90% range holds the true value in 88 to 92 of 100.
    [Theory]
    [InlineData("plain")]
    [InlineData("known")]
    [InlineData("gun")]
    public void Ranges_hold_what_they_claim(string kind)
    {
        const int Runs = 5000;
        var random = new Random(20261127);
        var (mss, tau, start, offset) = (8.6, 1.15, kind == "known" ? 0.5 : 0, kind == "gun" ? 0.18 : 0);
        var curve = new SprintCurve(mss, tau);
        var clean = Metres.Select(m => curve.TimeTo(m + start) - (kind == "known" ? curve.TimeTo(start) : 0) + offset).ToArray();
        var (byMss, byTau, fitted) = (0, 0, 0);
        for (var i = 0; i < Runs; i++)
        {
            var marks = Metres.Zip(clean, (m, t) => new GateTime(m, t + MathNet.Numerics.Distributions.Normal.Sample(random, 0, 0.01))).ToList();
            if (SprintFit.Fit(marks, Of(kind)).Fitted is not { } fit)
            {
                continue;
            }

            fitted++;
            byMss += Math.Abs(fit.Curve.Mss - mss) <= fit.Range90(fit.MssError) ? 1 : 0;
            byTau += Math.Abs(fit.Curve.Tau - tau) <= fit.Range90(fit.TauError) ? 1 : 0;
        }

        Assert.InRange(fitted, Runs - 50, Runs);
        Assert.InRange(byMss / (double)fitted, 0.88, 0.92);
        Assert.InRange(byTau / (double)fitted, 0.88, 0.92);
    }
}
