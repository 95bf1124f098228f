using InchBurst.Core.Units;
using MathNet.Numerics.Distributions;

namespace InchBurst.Core.Load;

/// <summary>Top speed of one run with a load.</summary>
/// <param name="Kilograms">Load in kg: 0 for a free run, negative for a pull from the front.</param>
/// <param name="TopSpeed">Top speed of the run in m/s, above 0.</param>
public readonly record struct LoadPoint(double Kilograms, double TopSpeed);

/// <summary>A load with how sure it is.</summary>
/// <param name="Kilograms">The load, kg; negative for a pull.</param>
/// <param name="Low">Lower end of its 90% range, kg.</param>
/// <param name="High">Upper end of its 90% range, kg.</param>
/// <param name="IsTested">True when it lies within what was tested.</param>
public sealed record LoadAmount(double Kilograms, double Low, double High, bool IsTested = true);

/// <summary>
/// Measured load line: top speed falls by the same amount for every kilogram, v = v0 - s L (the linear relation of force and speed; Samozino et al. 2016; Cross et al. 2017, from memory).
/// Air drag bends it by a fraction of a percent; where that is known, the line is that of v + b v^2 on load, which is straight (own derivation from the same forces).
/// </summary>
/// <param name="Free">Free top speed v0, m/s.</param>
/// <param name="Slope">What is lost for each kilogram s, m/s/kg, above 0; of speed itself where there is no bend.</param>
/// <param name="Bend">Bend by air drag b = (k/m)/a, s/m; 0 for a straight line of speed.</param>
/// <param name="R2">Share of the differences in speed that the line explains, 0 to 1.</param>
/// <param name="FreeError">Standard error of the line without load, m/s.</param>
/// <param name="SlopeError">Standard error of s, m/s/kg.</param>
/// <param name="Covariance">Covariance of the two, (m/s)2/kg.</param>
/// <param name="Runs">Runs it rests on.</param>
/// <param name="Least">Least load tested, kg; 0, or below it where the athlete was pulled.</param>
/// <param name="Most">Most load tested, kg.</param>
/// <param name="T">Student's t of its freedom for <see cref="Level"/>, kept so that a device need not work it out.</param>
public sealed record LoadLine(double Free, double Slope, double Bend, double R2, double FreeError, double SlopeError, double Covariance, int Runs, double Least, double Most, double T)
{
    /// <summary>Fewest different loads, the free run among them.</summary>
    public const int FewestLoads = 3;

    /// <summary>The heaviest load must slow by this many percent of free speed at least, or the loads are too close together to tell a slope from the error of gates (own rule: 10 ms in 20 m are about half a percent).</summary>
    public const double LeastSpreadPercent = 8;

    /// <summary>Chance that a stated range holds the true value.</summary>
    public const double Level = 0.9;

    /// <summary>The line of runs.</summary>
    /// <param name="runs">Runs free and with loads of one athlete, sled and surface.</param>
    /// <param name="bend">Bend by air drag, s/m, 0 or more.</param>
    /// <returns>The line, or why there is none: no free run, too few loads, loads too close, or speed that does not fall with load.</returns>
    public static LoadLineOutcome Of(IReadOnlyList<LoadPoint> runs, double bend = 0)
    {
        var loads = runs.Select(r => r.Kilograms).Distinct().ToList();
        if (!loads.Contains(0))
        {
            return LoadLineOutcome.Refused("There is no free run beside the loads; run the same distance once or twice without.");
        }

        if (loads.Count < FewestLoads)
        {
            return LoadLineOutcome.Refused($"A load line takes a free run and at least {FewestLoads - 1} loads; there {(loads.Count == 2 ? "is 1" : $"are {loads.Count - 1}")}.");
        }

        double Straight(double v) => v + (bend * v * v);
        double x = runs.Average(r => r.Kilograms), y = runs.Average(r => Straight(r.TopSpeed));
        double xx = 0, xy = 0, yy = 0;
        foreach (var run in runs)
        {
            xx += (run.Kilograms - x) * (run.Kilograms - x);
            xy += (run.Kilograms - x) * (Straight(run.TopSpeed) - y);
            yy += (Straight(run.TopSpeed) - y) * (Straight(run.TopSpeed) - y);
        }

        var slope = -xy / xx;
        var free = y + (slope * x);
        var left = Math.Max(0, yy - (xy * xy / xx));
        var variance = runs.Count > 2 ? left / (runs.Count - 2) : 0;
        var line = new LoadLine(Speed(free, bend), slope, bend, yy > 0 ? 1 - (left / yy) : 0, Math.Sqrt(variance * ((1.0 / runs.Count) + (x * x / xx))), Math.Sqrt(variance / xx), variance * x / xx, runs.Count, loads.Min(), loads.Max(), StudentT.InvCDF(0, 1, runs.Count - 2, (1 + Level) / 2));
        if (!(slope > line.T * line.SlopeError))
        {
            return LoadLineOutcome.Refused("The runs are not slower with more load; look for a mistyped time or load.");
        }

        var spread = line.DecrementAt(loads.Max()) - line.DecrementAt(loads.Min());
        return spread < LeastSpreadPercent
            ? LoadLineOutcome.Refused($"The loads are too close together: the heaviest takes off {Figures.Number(spread, 1)}% of speed, and a line needs {Figures.Number(LeastSpreadPercent)}% at least.")
            : new(line, null);
    }

    // The line without load, of v + b v^2.
    private double Origin => Free + (Bend * Free * Free);

    // A load too heavy to move is no speed, never one backwards.
    private static double Speed(double straight, double bend) => straight <= 0 ? 0 : bend <= 0 ? straight : (Math.Sqrt(1 + (4 * bend * straight)) - 1) / (2 * bend);

    /// <summary>Top speed with a load, m/s.</summary>
    /// <param name="kilograms">Load in kg, negative for a pull.</param>
    public double SpeedAt(double kilograms) => Speed(Origin - (Slope * kilograms), Bend);

    /// <summary>By how many percent of free speed a load slows; negative for a pull.</summary>
    /// <param name="kilograms">Load in kg.</param>
    public double DecrementAt(double kilograms) => (1 - (SpeedAt(kilograms) / Free)) * 100;

    /// <summary>90% range of the mean top speed with a load, m/s.</summary>
    /// <param name="kilograms">Load in kg.</param>
    public (double Low, double High) RangeAt(double kilograms)
    {
        var half = T * Math.Sqrt(Math.Max(0, (FreeError * FreeError) + (kilograms * kilograms * SlopeError * SlopeError) - (2 * kilograms * Covariance)));
        var straight = Origin - (Slope * kilograms);
        return (Speed(straight - half, Bend), Speed(straight + half, Bend));
    }

    /// <summary>The load that takes off a share of free speed, L = p v0 / s, with its 90% range by Fieller's theorem (Fieller 1954, from memory).</summary>
    /// <param name="decrement">Percent of free speed, -15 to 95; negative asks for a pull.</param>
    public LoadAmount For(double decrement)
    {
        // The share of the line that is lost; the same as that of speed where there is no bend.
        var speed = Free * (1 - (decrement / 100));
        var p = 1 - ((speed + (Bend * speed * speed)) / Origin);
        var kilograms = p * Origin / Slope;

        // All L for which p v0 - s L differs from 0 by no more than its error: a quadratic in L.
        var t2 = T * T;
        var a = (Slope * Slope) - (t2 * SlopeError * SlopeError);
        var b = p * ((Origin * Slope) - (t2 * Covariance));
        var c = p * p * ((Origin * Origin) - (t2 * FreeError * FreeError));
        var root = Math.Sqrt(Math.Max(0, (b * b) - (a * c)));
        return new(kilograms, (b - root) / a, (b + root) / a, kilograms >= Least - 1e-9 && kilograms <= Most + 1e-9);
    }
}

/// <summary>A load line, or the reason in a coach's words why the runs carry none.</summary>
/// <param name="Line">The line, or null.</param>
/// <param name="Reason">Why not, or null.</param>
public sealed record LoadLineOutcome(LoadLine? Line, string? Reason)
{
    internal static LoadLineOutcome Refused(string reason) => new(null, reason);
}
