using MathNet.Numerics;

namespace InchBurst.Core.Sprint;

/// <summary>The body and air a sprint is computed for.</summary>
/// <param name="MassKilograms">Body mass in kg, above 0.</param>
/// <param name="HeightMetres">Stature in m, above 0.</param>
/// <param name="CelsiusDegrees">Air temperature in degrees C.</param>
/// <param name="PressureTorr">Air pressure in torr (mm Hg), above 0.</param>
/// <param name="WindMetresPerSecond">Wind along the run in m/s; a tailwind is positive.</param>
public sealed record BodyAndAir(
    double MassKilograms, double HeightMetres, double CelsiusDegrees = 20, double PressureTorr = 760, double WindMetresPerSecond = 0)
{
    /// <summary>Drag constant k in N per (m/s)2. Source: Arsac and Locatelli 2002 (from memory).</summary>
    public double DragConstant
    {
        get
        {
            var density = 1.293 * (PressureTorr / 760) * (273 / (273 + CelsiusDegrees));
            var frontal = 0.2025 * Math.Pow(HeightMetres, 0.725) * Math.Pow(MassKilograms, 0.425) * 0.266;
            return 0.5 * density * frontal * 0.9;
        }
    }
}

/// <summary>Horizontal force, velocity and power of one sprint. Source: Samozino et al. 2016 (from memory).</summary>
/// <param name="F0">Force at zero speed, N/kg.</param>
/// <param name="V0">Speed at zero force, m/s.</param>
/// <param name="RatioMax">Largest ratio of horizontal to total force, taken at 0.30 s, 0 to 1.</param>
/// <param name="RatioDecrease">Slope of that ratio on speed from 0.30 s on, per m/s (negative).</param>
public sealed record SprintForces(double F0, double V0, double RatioMax, double RatioDecrease)
{
    private const int MostSamples = 100_000;

    /// <summary>Standard gravity as used in the field's formulas, m/s2.</summary>
    public const double Gravity = Units.AirTime.Gravity;

    /// <summary>Peak horizontal power F0 V0 / 4, W/kg.</summary>
    public double PeakPower => F0 * V0 / 4;

    /// <summary>Forces of a fitted curve: the line of F/m on v, sampled every 0.01 s from 0 until v = 0.99 MSS.</summary>
    /// <param name="curve">The sprint.</param>
    /// <param name="body">The athlete and the air.</param>
    public static SprintForces From(SprintCurve curve, BodyAndAir body)
    {
        var k = body.DragConstant;
        var speeds = new List<double>();
        var forces = new List<double>();
        var lateSpeeds = new List<double>();
        var ratios = new List<double>();
        var ratioMax = 0.0;
        foreach (var i in Enumerable.Range(0, MostSamples))
        {
            var t = i * 0.01;
            var v = curve.SpeedAt(t);
            if (v > 0.99 * curve.Mss)
            {
                break;
            }

            var air = v - body.WindMetresPerSecond;
            var force = (body.MassKilograms * curve.AccelerationAt(t)) + (k * air * Math.Abs(air));
            speeds.Add(v);
            forces.Add(force / body.MassKilograms);
            if (i >= 30)
            {
                var weight = body.MassKilograms * Gravity;
                var ratio = force / Math.Sqrt((force * force) + (weight * weight));
                lateSpeeds.Add(v);
                ratios.Add(ratio);
                ratioMax = Math.Max(ratioMax, i == 30 ? ratio : 0);
            }
        }

        var (f0, slope) = MathNet.Numerics.Fit.Line([.. speeds], [.. forces]);
        var decrease = ratios.Count > 1 ? MathNet.Numerics.Fit.Line([.. lateSpeeds], [.. ratios]).B : double.NaN;
        return new(f0, -f0 / slope, ratioMax, decrease);
    }
}

/// <summary>What acts on a simulated sprint besides the runner's own push.</summary>
/// <param name="DragPerKilogram">k/m in 1/m at sea level, not negative.</param>
/// <param name="WindMetresPerSecond">Wind along the run in m/s; a tailwind is positive.</param>
/// <param name="SlopeRadians">Slope, uphill positive.</param>
/// <param name="ResistancePerKilogram">Constant dragging force over body mass, N/kg (a sled's friction); negative is a tow.</param>
/// <param name="AltitudeMetres">Height above the sea in m; thins the air by exp(-0.000125 H).</param>
public sealed record RunConditions(
    double DragPerKilogram, double WindMetresPerSecond = 0, double SlopeRadians = 0, double ResistancePerKilogram = 0, double AltitudeMetres = 0);

/// <summary>Forward simulation of a sprint: dv/dt = F0 (1 - v/V0) - (k/m)(v - w)|v - w| - g sin(theta) - R/m, from rest.</summary>
/// <param name="F0">Force at zero speed, N/kg, above 0.</param>
/// <param name="V0">Speed at zero force, m/s, above 0.</param>
public sealed record SprintSimulation(double F0, double V0)
{
    private const double Step = 0.001;
    private const int MostSteps = 60_000;

    /// <summary>Times in s at which each distance is reached, by the classical Runge-Kutta step of 1 ms.</summary>
    /// <param name="distances">Distances in m in rising order.</param>
    /// <param name="conditions">Air, slope and load.</param>
    /// <returns>One time a distance; infinity for those the runner cannot reach within 60 s.</returns>
    public IReadOnlyList<double> TimesTo(IReadOnlyList<double> distances, RunConditions conditions)
    {
        var times = new double[distances.Count];
        Array.Fill(times, double.PositiveInfinity);
        double d = 0, v = 0;
        var next = 0;
        foreach (var step in Enumerable.Range(0, MostSteps))
        {
            if (next == distances.Count)
            {
                break;
            }

            var a1 = Acceleration(v, conditions);
            var a2 = Acceleration(v + (Step / 2 * a1), conditions);
            var a3 = Acceleration(v + (Step / 2 * a2), conditions);
            var a4 = Acceleration(v + (Step * a3), conditions);
            var rise = Step / 6 * (a1 + (2 * a2) + (2 * a3) + a4);
            var travelled = (Step * v) + (Step * Step / 6 * (a1 + a2 + a3));
            while (next < distances.Count && d + travelled >= distances[next])
            {
                times[next] = Step * (step + ((distances[next] - d) / travelled));
                next++;
            }

            d += travelled;
            v = Math.Max(0, v + rise);
        }

        return times;
    }

    /// <summary>The speed in m/s at which push and resistance balance.</summary>
    /// <param name="conditions">Air, slope and load.</param>
    /// <returns>The steady speed; 0 when the load cannot be moved.</returns>
    public double TopSpeed(RunConditions conditions)
    {
        if (Acceleration(0, conditions) <= 0)
        {
            return 0;
        }

        return FindRoots.OfFunction(v => Acceleration(v, conditions), 0, V0 * 2 + Math.Abs(conditions.WindMetresPerSecond), 1e-10);
    }

    private double Acceleration(double v, RunConditions c)
    {
        var air = v - c.WindMetresPerSecond;
        return (F0 * (1 - (v / V0)))
            - (c.DragPerKilogram * Math.Exp(-0.000125 * c.AltitudeMetres) * air * Math.Abs(air))
            - (SprintForces.Gravity * Math.Sin(c.SlopeRadians))
            - c.ResistancePerKilogram;
    }
}
