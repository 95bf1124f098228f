using InchBurst.Core.Units;

namespace InchBurst.Core.Sprint;

/// <summary>
/// One sprint from rest as a mono-exponential rise of speed, v(t) = MSS (1 - exp(-t/tau)).
/// Source: Furusawa, Hill and Parkinson 1927; di Prampero et al. 2005; Samozino et al. 2016 (from memory).
/// </summary>
public sealed record SprintCurve
{
    /// <summary>Makes a curve.</summary>
    /// <param name="mss">Maximal sprint speed in m/s, above 0 and finite.</param>
    /// <param name="tau">Time constant in s, above 0 and finite.</param>
    /// <exception cref="ArgumentOutOfRangeException">A parameter is not above 0 or not finite.</exception>
    public SprintCurve(double mss, double tau)
    {
        if (!(mss > 0) || !double.IsFinite(mss))
        {
            throw new ArgumentOutOfRangeException(nameof(mss), mss, "Top speed must be above 0 m/s.");
        }

        if (!(tau > 0) || !double.IsFinite(tau))
        {
            throw new ArgumentOutOfRangeException(nameof(tau), tau, "The time constant must be above 0 s.");
        }

        Mss = mss;
        Tau = tau;
    }

    /// <summary>Maximal sprint speed MSS in m/s.</summary>
    public double Mss { get; }

    /// <summary>Time constant tau in s.</summary>
    public double Tau { get; }

    /// <summary>Initial acceleration MAC = MSS/tau in m/s2.</summary>
    public double InitialAcceleration => Mss / Tau;

    /// <summary>Speed in m/s at a time.</summary>
    /// <param name="seconds">Time since the first movement in s; before 0 the speed is 0.</param>
    public double SpeedAt(double seconds) => seconds <= 0 ? 0 : Mss * -Expm1(-seconds / Tau);

    /// <summary>Distance in m at a time.</summary>
    /// <param name="seconds">Time since the first movement in s; before 0 the distance is 0.</param>
    public double DistanceAt(double seconds) => seconds <= 0 ? 0 : Mss * (seconds + (Tau * Expm1(-seconds / Tau)));

    /// <summary>Acceleration in m/s2 at a time.</summary>
    /// <param name="seconds">Time since the first movement in s, not negative.</param>
    public double AccelerationAt(double seconds) => Mss / Tau * Math.Exp(-seconds / Tau);

    /// <summary>Time in s to cover a distance from rest.</summary>
    /// <param name="metres">Distance in m; 0 or less takes no time.</param>
    /// <remarks>
    /// The closed form is t = d/MSS + tau + tau W0(-exp(-d/(MSS tau) - 1)). With x = t/tau it is the root of x + exp(-x) - 1 = d/(MSS tau),
    /// which Newton's method finds to full precision without the cancellation that the Lambert form suffers near the start line.
    /// </remarks>
    public double TimeTo(double metres) => metres <= 0 ? 0 : Tau * ScaledTime(metres / (Mss * Tau));

    /// <summary>Speed in m/s at a distance from the start.</summary>
    /// <param name="metres">Distance in m, not negative.</param>
    public double SpeedAtDistance(double metres) => SpeedAt(TimeTo(metres));

    /// <summary>Time in s from one distance to another, the time a pair of gates would give.</summary>
    /// <param name="fromMetres">Where the zone begins in m from the start.</param>
    /// <param name="toMetres">Where it ends in m from the start, not before the beginning.</param>
    public double TimeBetween(double fromMetres, double toMetres) => TimeTo(toMetres) - TimeTo(fromMetres);

    /// <summary>Distance in m at which a share of MSS is reached.</summary>
    /// <param name="share">Share of MSS, 0 up to but not including 1.</param>
    /// <exception cref="ArgumentOutOfRangeException">The share is outside 0 to 1.</exception>
    public double DistanceAtShare(double share)
    {
        if (!(share >= 0 && share < 1))
        {
            throw new ArgumentOutOfRangeException(nameof(share), share, "The share of top speed must be from 0 up to 1.");
        }

        return DistanceAt(-Tau * Math.Log(1 - share));
    }

    /// <summary>Metres of a run from rest that are run at or above a share of MSS.</summary>
    /// <param name="share">Share of MSS, 0 up to but not including 1.</param>
    /// <param name="runMetres">Length of the run in m, not negative.</param>
    public double MetresAbove(double share, double runMetres) => Math.Max(0, runMetres - DistanceAtShare(share));

    /// <summary>The curve of a run at a share of full effort: the same shape, its speeds scaled.</summary>
    /// <param name="effort">Share of full effort, above 0 to 1.2.</param>
    public SprintCurve AtEffort(double effort) => new(Mss * effort, Tau);

    /// <summary>The curve with a time constant that reaches a distance in a time, or null when none does.</summary>
    /// <param name="metres">Distance from the first gate in m, above 0.</param>
    /// <param name="seconds">Time on the clock in s, above 0.</param>
    /// <param name="tau">Time constant in s, above 0.</param>
    /// <param name="behindMetres">Distance of the start line behind the first gate in m, not negative.</param>
    public static SprintCurve? FromTime(double metres, double seconds, double tau, double behindMetres = 0)
    {
        double low = 1, high = 15;
        double Time(double mss) => new SprintCurve(mss, tau) is var c ? c.TimeTo(metres + behindMetres) - c.TimeTo(behindMetres) : 0;
        if (Time(low) < seconds || Time(high) > seconds)
        {
            return null;
        }

        foreach (var _ in Enumerable.Range(0, MostSteps))
        {
            var middle = (low + high) / 2;
            (low, high) = Time(middle) > seconds ? (middle, high) : (low, middle);
        }

        return new(high, tau);
    }

    private const int MostSteps = 60;

    /// <summary>Root x of x + exp(-x) - 1 = s for s above 0.</summary>
    internal static double ScaledTime(double s)
    {
        // Never under the root, from where Newton's steps only fall, until rounding ends them.
        var x = Math.Sqrt(2 * s) + s;
        var before = double.PositiveInfinity;
        for (var i = 0; i < MostSteps && x < before; i++)
        {
            before = x;
            x -= (x + Expm1(-x) - s) / -Expm1(-x);
        }

        return x;
    }

    /// <summary>exp(x) - 1 without losing digits near 0.</summary>
    internal static double Expm1(double x) => Math.Abs(x) < 1e-5 ? x + (x * x / 2) + (x * x * x / 6) : Math.Exp(x) - 1;
}
