using InchBurst.Core.Sprint;

namespace InchBurst.Core.Load;

/// <summary>What a constant resistance does to top speed: where the push left at a speed balances it. Science as in <see cref="SprintSimulation"/>.</summary>
internal static class LoadPhysics
{
    /// <summary>Top speed under a resistance as a share of free top speed; 0 when the load cannot be moved.</summary>
    /// <param name="curve">Free curve: its top speed is where push and air drag balance.</param>
    /// <param name="massKilograms">Body mass, kg.</param>
    /// <param name="heightMetres">Stature, m.</param>
    /// <param name="newtonsPerKilogram">Resistance over body mass, N/kg; negative helps.</param>
    public static double Share(SprintCurve curve, double massKilograms, double heightMetres, double newtonsPerKilogram)
    {
        // The root of k/m v^2 + F0/V0 v - (F0 - R/m) = 0.
        var (f0, drag) = (curve.InitialAcceleration, new BodyAndAir(massKilograms, heightMetres).DragConstant / massKilograms);
        var slope = (f0 - (drag * curve.Mss * curve.Mss)) / curve.Mss;
        var push = f0 - newtonsPerKilogram;
        return push <= 0 ? 0 : (Math.Sqrt((slope * slope) + (4 * drag * push)) - slope) / (2 * drag) / curve.Mss;
    }

    /// <summary>The resistance over body mass that leaves a share of free top speed, N/kg; the inverse of <see cref="Share"/>.</summary>
    /// <param name="curve">Free curve.</param>
    /// <param name="f0">Force at zero speed, N/kg.</param>
    /// <param name="massKilograms">Body mass, kg.</param>
    /// <param name="heightMetres">Stature, m.</param>
    /// <param name="share">Share of free top speed, above 0.</param>
    public static double ResistanceFor(SprintCurve curve, double f0, double massKilograms, double heightMetres, double share)
    {
        var drag = new BodyAndAir(massKilograms, heightMetres).DragConstant / massKilograms;
        var slope = (f0 - (drag * curve.Mss * curve.Mss)) / curve.Mss;
        var v = share * curve.Mss;
        return f0 - (slope * v) - (drag * v * v);
    }
}
