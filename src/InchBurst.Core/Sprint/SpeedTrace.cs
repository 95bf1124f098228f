using InchBurst.Core.Units;
using MathNet.Numerics.Distributions;

namespace InchBurst.Core.Sprint;

/// <summary>A row of a radar or laser: speed at a time.</summary>
/// <param name="Seconds">Time on the device's clock, s.</param>
/// <param name="Speed">Speed in m/s.</param>
public readonly record struct SpeedSample(double Seconds, double Speed);

/// <summary>A curve fitted to the trace of a radar or laser.</summary>
/// <param name="Curve">The curve.</param>
/// <param name="StartSeconds">When the runner set off, on the device's clock, s.</param>
/// <param name="MssError">Standard error of MSS in m/s.</param>
/// <param name="TauError">Standard error of tau in s.</param>
/// <param name="Rmse">Root mean square of what the curve misses, m/s.</param>
/// <param name="Used">Rows that were fitted: from just before the start until the speed falls.</param>
public sealed record TraceFitted(SprintCurve Curve, double StartSeconds, double MssError, double TauError, double Rmse, IReadOnlyList<SpeedSample> Used)
{
    /// <summary>Degrees of freedom of the rows, of which several alike count as one; at least 1.</summary>
    public double Freedom { get; init; } = 1;

    /// <summary>Half width of the 90% range for a standard error, from Student's t; rows are many, so it is close to 1.645 errors.</summary>
    /// <param name="standardError">Standard error in any unit.</param>
    public double Range90(double standardError) => standardError * StudentT.InvCDF(0, 1, Freedom, 0.95);
}

/// <summary>Either a fitted trace or the reason, in a coach's words, why there is none.</summary>
/// <param name="Fitted">The fit, or null.</param>
/// <param name="Reason">Why not, or null.</param>
public sealed record TraceOutcome(TraceFitted? Fitted, string? Reason);

/// <summary>Fits the curve of <see cref="SprintCurve"/> to speeds along time, with the moment of the start found by the fit.</summary>
public static class TraceFit
{
    /// <summary>Fewest rows of a trace.</summary>
    public const int FewestRows = 20;

    /// <summary>Most rows of a trace: some minutes of the fastest devices.</summary>
    public const int MostRows = 20_000;

    /// <summary>Greatest speed that a row may say, m/s: faster is not a runner.</summary>
    public const double MostSpeed = 15;

    // The runner has set off when the speed, smoothed over half a second, passes this.
    private const double MovingSpeed = 1;
    private const double SmoothSeconds = 0.5;
    private const double BeforeSeconds = 0.8;

    // Fitted up to the last row at which the smoothed speed is this near its greatest; later everyone slows.
    private const double NearTop = 0.98;

    // A trace that misses its curve by more than this is of something else than one sprint from rest.
    private const double MostMiss = 0.6;
    private const double MostLikeness = 0.95;

    /// <summary>
    /// v(t) = MSS (1 - exp(-(t - t0) / tau)) by least squares, only the part before speed falls (di Prampero et al. 2005; Samozino et al. 2016). Rows of a device are smoothed, so that each is like the
    /// one before: the errors are widened by sqrt((1 + r) / (1 - r)) with r the likeness of neighbouring misses.
    /// </summary>
    /// <param name="rows">Rows in the order of time.</param>
    /// <returns>The fit, or a reason: too few rows, times that do not rise, no start from rest, too short, or an answer no human could run.</returns>
    public static TraceOutcome Fit(IReadOnlyList<SpeedSample> rows)
    {
        static TraceOutcome Refused(string reason) => new(null, reason);
        if (rows.Count < FewestRows)
        {
            return Refused($"A trace needs {FewestRows} or more rows of time and speed; this one has {rows.Count}.");
        }

        if (rows.Zip(rows.Skip(1)).Any(p => p.Second.Seconds <= p.First.Seconds))
        {
            return Refused("The times do not rise from row to row.");
        }

        var smooth = Smooth(rows);
        var moving = Array.FindIndex(smooth, v => v >= MovingSpeed);
        if (moving < 0)
        {
            return Refused($"Nobody runs in this trace: the speed stays under {Figures.Number(MovingSpeed)} m/s.");
        }

        if (smooth[0] >= 2 * MovingSpeed)
        {
            return Refused("The trace begins at a run. It has to begin before the start, or with it.");
        }

        var last = Array.FindLastIndex(smooth, v => v >= NearTop * smooth.Max());
        var from = rows[moving].Seconds - BeforeSeconds;
        List<SpeedSample> used = [.. rows.Take(last + 1).Where(r => r.Seconds >= from)];
        if (used.Count < FewestRows || FitSolver.Least([used.Max(u => u.Speed), 1, rows[moving].Seconds - 0.2], [2, 0.05, from - 1], [20, 8, used[^1].Seconds], used.Count, (p, residuals, jacobian) => Model(used, p, residuals, jacobian)) is not var (p, left, normal))
        {
            return Refused("The run is too short for a curve.");
        }

        var (mss, tau, start) = (p[0], p[1], p[2]);
        if (used[^1].Seconds - start < 2 * tau)
        {
            return Refused($"The trace ends {Figures.Exact(used[^1].Seconds - start, 1)} s after the start, before top speed shows; this run would need {Figures.Exact(2 * tau, 1)} s.");
        }

        var squares = left.Sum(r => r * r);
        var rmse = Math.Sqrt(squares / used.Count);
        if (!SprintFit.IsHuman(mss, tau) || rmse > MostMiss || FitSolver.Inverse(normal) is not var (ofMss, ofTau, _))
        {
            return Refused("No sprint from rest follows these rows; look whether the columns are time and speed, and cut the trace to one run.");
        }

        // What a fit leaves looks less alike than it is, by (1 + 4 r) / n where one level is fitted (Marriott and Pope 1954, from memory); here it is two, MSS and tau.
        var seen = squares <= 0 ? 0 : left.Zip(left.Skip(1), (a, b) => a * b).Sum() / squares;
        var like = seen <= 0 ? 0 : Math.Min(seen + (2 * (1 + (4 * seen)) / used.Count), MostLikeness);
        var variance = squares / (used.Count - p.Length) * (1 + like) / (1 - like);
        return new(new(new(mss, tau), start, Math.Sqrt(ofMss * variance), Math.Sqrt(ofTau * variance), rmse, used) { Freedom = Math.Max(1, (used.Count * (1 - like) / (1 + like)) - p.Length) }, null);
    }

    private static double Model(List<SpeedSample> rows, double[] p, double[] residuals, double[,]? jacobian)
    {
        var (mss, tau, start) = (p[0], p[1], p[2]);
        var squares = 0.0;
        for (var i = 0; i < rows.Count; i++)
        {
            var since = rows[i].Seconds - start;
            var decay = since > 0 ? Math.Exp(-since / tau) : 1;
            residuals[i] = rows[i].Speed - (mss * (1 - decay));
            squares += residuals[i] * residuals[i];
            if (jacobian is not null)
            {
                (jacobian[i, 0], jacobian[i, 1], jacobian[i, 2]) = since > 0 ? (1 - decay, -mss * decay * since / (tau * tau), -mss * decay / tau) : (0, 0, 0);
            }
        }

        return squares;
    }

    // Mean over a quarter of a second before and after.
    private static double[] Smooth(IReadOnlyList<SpeedSample> rows)
    {
        var means = new double[rows.Count];
        var (first, next, sum) = (0, 0, 0.0);
        for (var i = 0; i < rows.Count; i++)
        {
            while (next < rows.Count && rows[next].Seconds <= rows[i].Seconds + (SmoothSeconds / 2))
            {
                sum += rows[next++].Speed;
            }

            while (rows[first].Seconds < rows[i].Seconds - (SmoothSeconds / 2))
            {
                sum -= rows[first++].Speed;
            }

            means[i] = sum / (next - first);
        }

        return means;
    }
}
