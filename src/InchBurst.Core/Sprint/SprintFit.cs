using InchBurst.Core.Units;
using MathNet.Numerics;
using MathNet.Numerics.LinearAlgebra;
using MathNet.Numerics.Optimization;

namespace InchBurst.Core.Sprint;

/// <summary>What a fit may assume about the start.</summary>
/// <param name="StartBehindGateMetres">Distance f of the start line behind the first gate in m, 0 to 5; null lets the fit find it (4 gates or more).</param>
/// <param name="FitClockOffset">True lets the fit find the time between the clock's start and the first movement (gun or hand starts; 4 gates or more).</param>
public sealed record FitAssumptions(double? StartBehindGateMetres = 0, bool FitClockOffset = false);

/// <summary>A curve fitted to gate times, with how sure it is.</summary>
/// <param name="Curve">Fitted curve, measured from the start line.</param>
/// <param name="StartBehindGateMetres">Distance f from the start line to the first gate in m, given or fitted.</param>
/// <param name="ClockOffsetSeconds">Seconds on the clock before the first movement, fitted or 0.</param>
/// <param name="MssError">Standard error of MSS in m/s; null when the gates leave no freedom to judge it.</param>
/// <param name="TauError">Standard error of tau in s; null when the gates leave no freedom to judge it.</param>
/// <param name="MssTauCovariance">Covariance of MSS and tau; null as above.</param>
/// <param name="Residuals">Measured less fitted time at each gate used, s.</param>
/// <param name="Used">Gates used: those after the speed begins to fall are left out.</param>
/// <param name="LeftOut">Gates left out because the athlete was slowing.</param>
public sealed record SprintFitted(
    SprintCurve Curve,
    double StartBehindGateMetres,
    double ClockOffsetSeconds,
    double? MssError,
    double? TauError,
    double? MssTauCovariance,
    IReadOnlyList<double> Residuals,
    IReadOnlyList<GateTime> Used,
    IReadOnlyList<GateTime> LeftOut)
{
    /// <summary>Root mean square of the residuals in s.</summary>
    public double Rmse => Math.Sqrt(Residuals.Sum(r => r * r) / Residuals.Count);

    /// <summary>Standard error of the fitted speed at a time, m/s, by the delta method; null when the fit has none.</summary>
    /// <param name="seconds">Time since first movement in s, not negative.</param>
    public double? SpeedErrorAt(double seconds)
    {
        if (MssError is not { } sm || TauError is not { } st || MssTauCovariance is not { } cov)
        {
            return null;
        }

        var decay = Math.Exp(-seconds / Curve.Tau);
        var byMss = 1 - decay;
        var byTau = -Curve.Mss * decay * seconds / (Curve.Tau * Curve.Tau);
        var variance = (byMss * byMss * sm * sm) + (byTau * byTau * st * st) + (2 * byMss * byTau * cov);
        return Math.Sqrt(Math.Max(0, variance));
    }

    /// <summary>Half width of the 90% range for a standard error, from Student's t with the fit's freedom; null when there is none.</summary>
    /// <param name="standardError">Standard error in any unit.</param>
    public double? Range90(double? standardError)
    {
        var freedom = Used.Count - 2 - (StartFitted ? 1 : 0) - (OffsetFitted ? 1 : 0);
        return standardError is { } se && freedom > 0
            ? se * MathNet.Numerics.Distributions.StudentT.InvCDF(0, 1, freedom, 0.95)
            : null;
    }

    /// <summary>True when the distance to the first gate was found by the fit.</summary>
    public bool StartFitted { get; init; }

    /// <summary>True when the clock's offset was found by the fit.</summary>
    public bool OffsetFitted { get; init; }
}

/// <summary>Either a fitted sprint or the reason, in a coach's words, why these gates cannot carry one.</summary>
/// <param name="Fitted">The fit, or null.</param>
/// <param name="Reason">Why not, or null.</param>
public sealed record FitOutcome(SprintFitted? Fitted, string? Reason)
{
    internal static FitOutcome Refused(string reason) => new(null, reason);
}

/// <summary>Fits the mono-exponential curve to gate times by least squares (Levenberg-Marquardt), science as in <see cref="SprintCurve"/>.</summary>
public static class SprintFit
{
    private const double FallingBeyondMetres = 50;

    /// <summary>Fits MSS and tau, and where asked the start distance or clock offset.</summary>
    /// <param name="marks">Cumulative gate times in rising order, metres from the first gate.</param>
    /// <param name="assumptions">What is known about the start; null means the clock starts with the first movement at the first gate.</param>
    /// <returns>The fit, or a reason: fewer than 3 gates, times that do not rise, no gate far enough, or an answer no human could run.</returns>
    public static FitOutcome Fit(IReadOnlyList<GateTime> marks, FitAssumptions? assumptions = null)
    {
        assumptions ??= new FitAssumptions();
        for (var i = 0; i < marks.Count; i++)
        {
            var before = i == 0 ? new GateTime(0, 0) : marks[i - 1];
            if (!(marks[i].Metres > before.Metres && marks[i].Seconds > before.Seconds))
            {
                return FitOutcome.Refused("The times do not rise from gate to gate.");
            }
        }

        var used = BeforeSlowing(marks);
        var fitStart = assumptions.StartBehindGateMetres is null;
        var parameters = 2 + (fitStart ? 1 : 0) + (assumptions.FitClockOffset ? 1 : 0);
        if (used.Count < 3)
        {
            return FitOutcome.Refused($"A curve needs times at 3 or more gates; this run has {used.Count}.");
        }

        if (parameters > 2 && used.Count < 4)
        {
            return FitOutcome.Refused(fitStart
                ? "The distance from the start line to the first gate is not known; finding it takes 4 or more gates."
                : "A gun or hand start takes 4 or more gates, because the wait before the first step must be found as well.");
        }

        if (used.Count < parameters)
        {
            return FitOutcome.Refused($"{used.Count} gates cannot tell {parameters} unknowns apart.");
        }

        return Solve(used, marks.Skip(used.Count).ToArray(), assumptions.StartBehindGateMetres, assumptions.FitClockOffset);
    }

    /// <summary>The marks up to the end of the fastest stretch, where the run is long enough for the speed to fall (past 50 m).</summary>
    internal static IReadOnlyList<GateTime> BeforeSlowing(IReadOnlyList<GateTime> marks)
    {
        if (marks.Count == 0 || marks[^1].Metres <= FallingBeyondMetres)
        {
            return marks;
        }

        var segments = Splits.Segments(marks);
        var fastest = 0;
        for (var i = 1; i < segments.Count; i++)
        {
            if (segments[i].MeanSpeed >= segments[fastest].MeanSpeed)
            {
                fastest = i;
            }
        }

        var keep = fastest + 1;
        while (keep < marks.Count && marks[keep].Metres <= FallingBeyondMetres)
        {
            keep++;
        }

        return marks.Take(keep).ToArray();
    }

    private static FitOutcome Solve(IReadOnlyList<GateTime> used, GateTime[] leftOut, double? knownStart, bool fitOffset)
    {
        var fitStart = knownStart is null;
        var distances = Vector<double>.Build.DenseOfEnumerable(used.Select(m => m.Metres));
        var times = Vector<double>.Build.DenseOfEnumerable(used.Select(m => m.Seconds));
        var startAt = fitStart ? 2 : -1;
        var offsetAt = fitOffset ? (fitStart ? 3 : 2) : -1;

        double Start(Vector<double> p) => fitStart ? p[startAt] : knownStart!.Value;

        Vector<double> Model(Vector<double> p, Vector<double> x)
        {
            var f = Start(p);
            var lead = f > 0 ? Time(f, p[0], p[1], out _, out _, out _) : 0;
            var offset = fitOffset ? p[offsetAt] : 0;
            return x.Map(d => Time(d + f, p[0], p[1], out _, out _, out _) - lead + offset, Zeros.Include);
        }

        Matrix<double> Jacobian(Vector<double> p, Vector<double> x)
        {
            var f = Start(p);
            double leadMss = 0, leadTau = 0, leadSlope = 0;
            if (f > 0)
            {
                Time(f, p[0], p[1], out leadMss, out leadTau, out leadSlope);
            }

            var jacobian = Matrix<double>.Build.Dense(x.Count, p.Count);
            for (var i = 0; i < x.Count; i++)
            {
                Time(x[i] + f, p[0], p[1], out var byMss, out var byTau, out var slope);
                jacobian[i, 0] = byMss - leadMss;
                jacobian[i, 1] = byTau - leadTau;
                if (fitStart)
                {
                    jacobian[i, startAt] = slope - leadSlope;
                }

                if (fitOffset)
                {
                    jacobian[i, offsetAt] = 1;
                }
            }

            return jacobian;
        }

        var guess = new List<double> { FirstMss(used), 1.0 };
        var lower = new List<double> { 2, 0.05 };
        var upper = new List<double> { 20, 8 };
        if (fitStart)
        {
            guess.Add(0.3);
            lower.Add(0.001);
            upper.Add(5);
        }

        if (fitOffset)
        {
            guess.Add(0.15);
            lower.Add(-0.5);
            upper.Add(1.5);
        }

        var objective = ObjectiveFunction.NonlinearModel(Model, Jacobian, distances, times);
        NonlinearMinimizationResult found;
        try
        {
            var minimizer = new LevenbergMarquardtMinimizer(gradientTolerance: 1e-12, stepTolerance: 1e-9, functionTolerance: 1e-13, maximumIterations: 200);
            found = minimizer.FindMinimum(
                objective,
                Vector<double>.Build.DenseOfEnumerable(guess),
                Vector<double>.Build.DenseOfEnumerable(lower),
                Vector<double>.Build.DenseOfEnumerable(upper));
        }
        catch (Exception e) when (e is ArgumentException or InvalidOperationException or OptimizationException or NonConvergenceException)
        {
            return FitOutcome.Refused("No curve follows these times; look for a mistyped mark.");
        }

        var best = found.MinimizingPoint;
        if (best is null || !best.ForAll(double.IsFinite))
        {
            return FitOutcome.Refused("No curve follows these times; look for a mistyped mark.");
        }

        var curve = new SprintCurve(best[0], best[1]);
        var f = Start(best);
        var reach = curve.DistanceAt(2 * curve.Tau);
        if (used[^1].Metres + f < reach)
        {
            return FitOutcome.Refused(
                $"The last gate at {Figures.Number(used[^1].Metres, 1)} m is too near to show top speed; this run would need one past about {Math.Ceiling(reach):0} m.");
        }

        if (curve.Mss is > 13.5 or < 2.5 || curve.Tau is < 0.2 or > 3.5)
        {
            return FitOutcome.Refused(
                $"The best curve would need a top speed of {Figures.Exact(curve.Mss, 1)} m/s and a time constant of {Figures.Exact(curve.Tau, 2)} s, which is not a sprint from rest: check the marks, the start and the distance behind the first gate.");
        }

        var fitted = Model(best, distances);
        var residuals = (times - fitted).ToArray();
        var freedom = used.Count - best.Count;
        var (mssError, tauError, covariance) = freedom > 0 ? Errors(Jacobian(best, distances), residuals, freedom) : default;
        return new(
            new SprintFitted(curve, f, fitOffset ? best[offsetAt] : 0, mssError, tauError, covariance, residuals, used, leftOut)
            {
                StartFitted = fitStart,
                OffsetFitted = fitOffset,
            },
            null);
    }

    private static (double? Mss, double? Tau, double? Covariance) Errors(Matrix<double> jacobian, double[] residuals, int freedom)
    {
        var normal = jacobian.TransposeThisAndMultiply(jacobian);
        if (normal.ConditionNumber() > 1e14)
        {
            return default;
        }

        var covariance = normal.Inverse() * (residuals.Sum(r => r * r) / freedom);
        return (Math.Sqrt(covariance[0, 0]), Math.Sqrt(covariance[1, 1]), covariance[0, 1]);
    }

    private static double FirstMss(IReadOnlyList<GateTime> marks)
    {
        var fastest = Splits.Segments(marks).Max(s => s.MeanSpeed);
        return Math.Clamp(fastest * 1.02, 2.5, 15);
    }

    /// <summary>Time to a distance with its derivatives by MSS, tau and distance.</summary>
    private static double Time(double d, double mss, double tau, out double byMss, out double byTau, out double slope)
    {
        var s = d / (mss * tau);
        var x = SprintCurve.ScaledTime(s);
        var dx = 1 / -SprintCurve.Expm1(-x);
        byMss = -dx * s * tau / mss;
        byTau = x - (dx * s);
        slope = dx / mss;
        return tau * x;
    }
}
