namespace InchBurst.Core.Sprint;

/// <summary>A least-squares solution.</summary>
internal sealed class FitSolution(double[] parameters, bool startFitted, bool offsetFitted, double knownStart, bool fromMovement, double[] residuals, double[,] normal)
{
    public double Mss => parameters[0];

    public double Tau => parameters[1];

    public bool StartFitted => startFitted;

    public bool OffsetFitted => offsetFitted;

    public double Start => startFitted ? parameters[2] : knownStart;

    public double Offset => offsetFitted ? parameters[^1] : 0;

    public double[] Residuals => residuals;

    public double Squares { get; } = residuals.Sum(r => r * r);

    /// <summary>True for a curve that a human sprint from rest can have.</summary>
    public bool IsHuman => SprintFit.IsHuman(Mss, Tau);

    public double TimeAt(double metres)
    {
        var curve = new SprintCurve(Mss, Tau);
        return curve.TimeTo(metres + Start) - (fromMovement ? 0 : curve.TimeTo(Start)) + Offset;
    }

    /// <summary>Standard errors from the normal matrix and the residuals; null when the gates cannot tell the parameters apart.</summary>
    public (double Mss, double Tau, double Covariance)? Errors()
    {
        var variance = Squares / (residuals.Length - parameters.Length);
        return FitSolver.Inverse(normal) is var (mss, tau, both) ? (Math.Sqrt(mss * variance), Math.Sqrt(tau * variance), both * variance) : null;
    }
}

/// <summary>Residuals of a model with some parameters, measured less fitted, and where asked their derivatives (of the fitted values); gives the sum of their squares.</summary>
internal delegate double FitModel(double[] parameters, double[] residuals, double[,]? jacobian);

/// <summary>Least squares by Levenberg-Marquardt on a few parameters with exact derivatives, within bounds; and the sprint curve on gate times.</summary>
internal static class FitSolver
{
    private const int MostSteps = 120;

    // Relative change of every parameter under which nothing moves any more.
    private const double Settled = 1e-9;

    public static FitSolution? Solve(IReadOnlyList<GateTime> marks, FitAssumptions assumptions)
    {
        var fitStart = assumptions.StartBehindGateMetres is null;
        var fitOffset = assumptions.FitClockOffset;
        var n = 2 + (fitStart ? 1 : 0) + (fitOffset ? 1 : 0);
        double[] p = new double[n], low = new double[n], high = new double[n];
        (p[0], low[0], high[0]) = (FirstMss(marks), 2, 20);
        (p[1], low[1], high[1]) = (1, 0.05, 8);
        if (fitStart)
        {
            (p[2], low[2], high[2]) = (0.3, 0.001, 5);
        }

        if (fitOffset)
        {
            (p[n - 1], low[n - 1], high[n - 1]) = (0.15, -0.5, 1.5);
        }

        var start = assumptions.StartBehindGateMetres ?? 0;
        return Least(p, low, high, marks.Count, (at, residuals, jacobian) => Model(marks, at, fitStart, fitOffset, start, assumptions.FromMovement, residuals, jacobian)) is var (best, left, normal)
            ? new(best, fitStart, fitOffset, start, assumptions.FromMovement, left, normal) : null;
    }

    /// <summary>The parameters with the least sum of squares, the residuals there and the normal matrix; null when there are none.</summary>
    /// <param name="p">Where the search begins.</param>
    /// <param name="low">Lower bounds.</param>
    /// <param name="high">Upper bounds.</param>
    /// <param name="count">How many residuals there are.</param>
    /// <param name="model">The model.</param>
    public static (double[] Parameters, double[] Residuals, double[,] Normal)? Least(double[] p, double[] low, double[] high, int count, FitModel model)
    {
        var n = p.Length;
        var jacobian = new double[count, n];
        var residuals = new double[count];
        var trial = new double[count];
        var squares = model(p, residuals, jacobian);
        var damping = 1e-3;
        var normal = new double[n, n];
        for (var step = 0; step < MostSteps; step++)
        {
            var gradient = Normal(jacobian, residuals, normal);
            var damped = (double[,])normal.Clone();
            for (var i = 0; i < n; i++)
            {
                damped[i, i] *= 1 + damping;
            }

            if (Linear(damped, gradient) is not { } change)
            {
                damping *= 10;
                continue;
            }

            var next = new double[n];
            var moved = 0.0;
            for (var i = 0; i < n; i++)
            {
                next[i] = Math.Clamp(p[i] + change[i], low[i], high[i]);
                moved = Math.Max(moved, Math.Abs(next[i] - p[i]) / (Math.Abs(p[i]) + 1e-6));
            }

            var better = model(next, trial, null);
            if (better <= squares)
            {
                p = next;
                squares = model(p, residuals, jacobian);
                damping /= 10;
            }
            else
            {
                damping *= 10;
            }

            if (moved < Settled)
            {
                break;
            }
        }

        if (!double.IsFinite(squares))
        {
            return null;
        }

        return Polished(p, low, high, residuals, jacobian, model);
    }

    // Where two parameters can all but stand for each other the sum of squares says nothing more of the last digits, but its slope still does: whole steps for as long as that falls.
    private static (double[] Parameters, double[] Residuals, double[,] Normal) Polished(double[] p, double[] low, double[] high, double[] residuals, double[,] jacobian, FitModel model)
    {
        var n = p.Length;
        var normal = new double[n, n];
        var gradient = Normal(jacobian, residuals, normal);
        double Slope() => Enumerable.Range(0, n).Max(i => Math.Abs(gradient[i]) / Math.Sqrt(normal[i, i] + double.Epsilon));
        for (var (step, slope) = (0, Slope()); step < MostPolish && Linear(normal, gradient) is { } change; step++)
        {
            var next = p.Select((v, i) => Math.Clamp(v + change[i], low[i], high[i])).ToArray();
            var (left, slopes) = (new double[residuals.Length], new double[residuals.Length, n]);
            model(next, left, slopes);
            var (before, beforeNormal) = (gradient, normal);
            normal = new double[n, n];
            gradient = Normal(slopes, left, normal);
            if (!(Slope() < slope))
            {
                (gradient, normal) = (before, beforeNormal);
                break;
            }

            (p, residuals, jacobian, slope) = (next, left, slopes, Slope());
        }

        return (p, residuals, normal);
    }

    private const int MostPolish = 30;

    /// <summary>The first two of the diagonal of a normal matrix's inverse, and what lies between them; null when it is singular.</summary>
    public static (double First, double Second, double Between)? Inverse(double[,] normal)
    {
        // Two columns of the inverse are enough.
        var n = normal.GetLength(0);
        double[] Unit(int at) => [.. Enumerable.Range(0, n).Select(i => i == at ? 1.0 : 0)];
        return Linear(normal, Unit(0)) is not { } first || Linear(normal, Unit(1)) is not { } second ? null : (first[0], second[1], first[1]);
    }

    /// <summary>Solves a small positive definite system by elimination, which needs no pivots there; null when it is singular.</summary>
    public static double[]? Linear(double[,] matrix, double[] right)
    {
        var n = right.Length;
        var a = (double[,])matrix.Clone();
        var b = (double[])right.Clone();
        for (var column = 0; column < n; column++)
        {
            if (!(a[column, column] > 1e-13 * matrix[column, column]))
            {
                return null;
            }

            for (var row = column + 1; row < n; row++)
            {
                var factor = a[row, column] / a[column, column];
                for (var k = column; k < n; k++)
                {
                    a[row, k] -= factor * a[column, k];
                }

                b[row] -= factor * b[column];
            }
        }

        for (var row = n - 1; row >= 0; row--)
        {
            for (var k = row + 1; k < n; k++)
            {
                b[row] -= a[row, k] * b[k];
            }

            b[row] /= a[row, row];
        }

        return b;
    }

    // Residuals are measured less fitted; gives their sum of squares and, where asked, the derivatives of the fitted times.
    private static double Model(IReadOnlyList<GateTime> marks, double[] p, bool fitStart, bool fitOffset, double knownStart, bool fromMovement, double[] residuals, double[,]? jacobian)
    {
        var (mss, tau) = (p[0], p[1]);
        var start = fitStart ? p[2] : knownStart;
        var offset = fitOffset ? p[^1] : 0;
        double lead = 0, leadMss = 0, leadTau = 0, leadSlope = 0;
        if (start > 0 && !fromMovement)
        {
            lead = Time(start, mss, tau, out leadMss, out leadTau, out leadSlope);
        }

        var squares = 0.0;
        for (var i = 0; i < marks.Count; i++)
        {
            var time = Time(marks[i].Metres + start, mss, tau, out var byMss, out var byTau, out var slope);
            residuals[i] = marks[i].Seconds - (time - lead + offset);
            squares += residuals[i] * residuals[i];
            if (jacobian is not null)
            {
                jacobian[i, 0] = byMss - leadMss;
                jacobian[i, 1] = byTau - leadTau;
                if (fitStart)
                {
                    jacobian[i, 2] = slope - leadSlope;
                }

                if (fitOffset)
                {
                    jacobian[i, p.Length - 1] = 1;
                }
            }
        }

        return squares;
    }

    private static double[] Normal(double[,] jacobian, double[] residuals, double[,] normal)
    {
        var n = normal.GetLength(0);
        var gradient = new double[n];
        Array.Clear(normal);
        for (var k = 0; k < residuals.Length; k++)
        {
            for (var i = 0; i < n; i++)
            {
                gradient[i] += jacobian[k, i] * residuals[k];
                for (var j = 0; j < n; j++)
                {
                    normal[i, j] += jacobian[k, i] * jacobian[k, j];
                }
            }
        }

        return gradient;
    }

    private static double FirstMss(IReadOnlyList<GateTime> marks)
    {
        var (metres, seconds) = (marks[^1].Metres - marks[0].Metres, marks[^1].Seconds - marks[0].Seconds);
        return Math.Clamp(metres / seconds, 2.5, 15);
    }

    // Time to a distance with its derivatives by MSS, tau and distance.
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
