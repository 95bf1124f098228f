using InchBurst.Core.Units;

namespace InchBurst.Core.Sprint;

/// <summary>What a fit may assume about the start.</summary>
/// <param name="StartBehindGateMetres">Distance f of the start line behind the first gate in m, 0 to 5; null lets the fit find it (4 gates or more).</param>
/// <param name="FitClockOffset">True lets the fit find the time between the clock's start and the first movement (gun or hand starts; 4 gates or more).</param>
/// <param name="FromMovement">True when the clock runs from the first movement (or from a gun or a hand that watches for it), so that the way from the start line to the first gate is in the times; false when passing the first gate starts it.</param>
public sealed record FitAssumptions(double? StartBehindGateMetres = 0, bool FitClockOffset = false, bool FromMovement = false);

/// <summary>A gate whose time does not belong to the others.</summary>
/// <param name="Gate">The gate with its time.</param>
/// <param name="LateSeconds">By how much it looks late, s; negative when early.</param>
public sealed record SuspectGate(GateTime Gate, double LateSeconds)
{
    /// <summary>In a coach's words: "20 m looks 0.40 s late".</summary>
    public string Text => $"{Figures.Number(Gate.Metres, 2)} m looks {Figures.Split(Math.Abs(LateSeconds))} s {(LateSeconds > 0 ? "late" : "early")}";
}

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

    /// <summary>A gate that was left out because its time does not belong to the others: most likely mistyped; null when there is none.</summary>
    public SuspectGate? Suspect { get; init; }

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
