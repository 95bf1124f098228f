using InchBurst.Core.Units;
using MathNet.Numerics.Distributions;

namespace InchBurst.Core.Sprint;

/// <summary>Fits the mono-exponential curve to gate times by least squares (Levenberg-Marquardt), science as in <see cref="SprintCurve"/>.</summary>
public static class SprintFit
{
    /// <summary>Runs no longer than this are never looked at for slowing, m: nobody slows before (common practice).</summary>
    public const double SlowingBeyondMetres = 50;

    // The F test's level. The fastest part is picked by looking, but only slower ends count, so 1 to 3% of clean runs are called; the tests simulate it.
    private const double SlowingChance = 0.05;

    // Errors of gates are about 10 ms: three times that in the fit as a whole, or six in one gate, is no error of a gate.
    private const double PoorFitSeconds = 0.03;
    private const double SuspectSeconds = 0.06;
    private const double SoundSeconds = 0.02;

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

        var parameters = 2 + (assumptions.StartBehindGateMetres is null ? 1 : 0) + (assumptions.FitClockOffset ? 1 : 0);
        if (Lacking(marks.Count, parameters, assumptions) is { } lack)
        {
            return FitOutcome.Refused(lack);
        }

        if (FitSolver.Solve(marks, assumptions) is not { } whole)
        {
            return FitOutcome.Refused("No curve follows these times; look for a mistyped mark.");
        }

        if (Suspect(marks, assumptions, whole, parameters) is { } suspect)
        {
            GateTime[] others = [.. marks.Where(m => m != suspect.Gate)];
            return FitSolver.Solve(others, assumptions) is { } without
                ? Accept(without, others, [], suspect)
                : FitOutcome.Refused($"{suspect.Text}: look for a mistyped mark.");
        }

        var keep = Fastest(marks, assumptions, whole, parameters);
        return keep == marks.Count || FitSolver.Solve([.. marks.Take(keep)], assumptions) is not { } part
            ? Accept(whole, marks, [], null)
            : Accept(part, [.. marks.Take(keep)], [.. marks.Skip(keep)], null);
    }

    /// <summary>True for a curve that a human sprint from rest can have.</summary>
    internal static bool IsHuman(double mss, double tau) => mss is <= 13.5 and >= 2.5 && tau is >= 0.2 and <= 3.5;

    private static string? Lacking(int gates, int parameters, FitAssumptions assumptions)
    {
        // One gate more than there are unknowns, so that something is left to judge the fit by.
        if (gates > parameters)
        {
            return null;
        }

        return gates < 3 ? $"A curve needs times at 3 or more gates; this run has {gates}."
            : parameters == 4 ? $"{gates} gates cannot tell {parameters} unknowns apart; a gun or hand start from a line that nobody has measured takes 5."
            : assumptions.StartBehindGateMetres is null ? "Nobody has said how far the start line is behind the first gate; finding it takes 4 or more gates."
            : "A gun or hand start takes 4 or more gates, because the wait before the first step must be found as well.";
    }

    // One gate whose leaving out turns a poor fit into a sound one.
    private static SuspectGate? Suspect(IReadOnlyList<GateTime> marks, FitAssumptions assumptions, FitSolution whole, int parameters)
    {
        var freedom = marks.Count - parameters;
        if (freedom < 2 || Math.Sqrt(whole.Squares / freedom) < PoorFitSeconds)
        {
            return null;
        }

        SuspectGate? found = null;
        var least = double.PositiveInfinity;
        for (var i = 0; i < marks.Count; i++)
        {
            GateTime[] others = [.. marks.Where((_, n) => n != i)];
            if (FitSolver.Solve(others, assumptions) is { } without && without.Squares < least && without.IsHuman)
            {
                least = without.Squares;
                var late = marks[i].Seconds - without.TimeAt(marks[i].Metres);
                var sound = Math.Sqrt(without.Squares / (freedom - 1)) < SoundSeconds && Math.Abs(late) > SuspectSeconds;
                found = sound ? new(marks[i], late) : null;
            }
        }

        return found;
    }

    // How many gates to keep: all of them, unless an F test says that those after the fastest stretch are slower than the curve of those before.
    private static int Fastest(IReadOnlyList<GateTime> marks, FitAssumptions assumptions, FitSolution whole, int parameters)
    {
        if (marks[^1].Metres <= SlowingBeyondMetres)
        {
            return marks.Count;
        }

        var segments = Splits.Segments(marks);
        var fastest = 0;
        for (var i = 1; i < segments.Count; i++)
        {
            fastest = segments[i].MeanSpeed >= segments[fastest].MeanSpeed ? i : fastest;
        }

        var keep = fastest + 1;
        while (keep < marks.Count && marks[keep].Metres <= SlowingBeyondMetres)
        {
            keep++;
        }

        var freedom = keep - parameters;
        if (keep == marks.Count || freedom < 1 || FitSolver.Solve([.. marks.Take(keep)], assumptions) is not { } part)
        {
            return marks.Count;
        }

        var left = marks.Count - keep;
        var f = (whole.Squares - part.Squares) / left / Math.Max(part.Squares / freedom, 1e-12);
        var slower = marks[^1].Seconds > part.TimeAt(marks[^1].Metres);
        return slower && 1 - FisherSnedecor.CDF(left, freedom, f) < SlowingChance ? keep : marks.Count;
    }

    private static FitOutcome Accept(FitSolution found, IReadOnlyList<GateTime> used, IReadOnlyList<GateTime> leftOut, SuspectGate? suspect)
    {
        var curve = new SprintCurve(found.Mss, found.Tau);
        var reach = curve.DistanceAt(2 * curve.Tau);
        if (used[^1].Metres + found.Start < reach)
        {
            return FitOutcome.Refused(
                $"The last gate at {Figures.Number(used[^1].Metres, 1)} m is too near to show top speed; this run would need one past about {Math.Ceiling(reach):0} m.");
        }

        if (!found.IsHuman)
        {
            return FitOutcome.Refused(
                $"The best curve would need a top speed of {Figures.Exact(curve.Mss, 1)} m/s and a time constant of {Figures.Exact(curve.Tau, 2)} s, which is not a sprint from rest: check the marks, the start and the distance behind the first gate.");
        }

        var errors = found.Errors();
        return new(
            new SprintFitted(curve, found.Start, found.Offset, errors?.Mss, errors?.Tau, errors?.Covariance, found.Residuals, used, leftOut)
            {
                StartFitted = found.StartFitted,
                OffsetFitted = found.OffsetFitted,
                Suspect = suspect,
            },
            null);
    }
}
