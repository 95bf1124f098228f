using InchBurst.Core.Sprint;

namespace InchBurst.Core.Load;

/// <summary>Hills as loads: what a grade does to speed and which grade serves an aim. Measured slopes depart from the simulation by some percent (Paradisis and Cooke 2001: -3% up and +9% down at 3 degrees), so every figure is approximate.</summary>
public static class Slope
{
    /// <summary>Steepest grade that is answered, percent.</summary>
    public const double SteepestGrade = 60;

    /// <summary>Grade in percent from rise over length along the slope.</summary>
    /// <param name="riseMetres">Rise, m; negative downhill.</param>
    /// <param name="lengthMetres">Length along the ground, m, more than the rise.</param>
    public static double GradeOfRise(double riseMetres, double lengthMetres) => 100 * Math.Tan(Math.Asin(riseMetres / lengthMetres));

    /// <summary>Grade in percent from the reading of a level.</summary>
    /// <param name="degrees">Angle, degrees, -45 to 45.</param>
    public static double GradeOf(double degrees) => 100 * Math.Tan(degrees * Math.PI / 180);

    /// <summary>Angle in degrees of a grade.</summary>
    /// <param name="grade">Percent.</param>
    public static double DegreesOf(double grade) => Math.Atan(grade / 100) * 180 / Math.PI;

    /// <summary>By how many percent a grade slows an athlete; negative downhill. By the simulation: the slope's share of weight balances the push (see science of <see cref="SprintSimulation"/>).</summary>
    /// <param name="known">The athlete.</param>
    /// <param name="grade">Percent, -60 to 60.</param>
    public static double DecrementOf(LoadKnown known, double grade) => (1 - LoadPhysics.Share(known.Curve, known.BodyKilograms, LoadKnown.UsualHeightMetres, Pull(grade))) * 100;

    /// <summary>The grade in percent that slows an athlete by a share; negative asks for downhill.</summary>
    /// <param name="known">The athlete.</param>
    /// <param name="decrement">Percent slower than free, -15 to 95.</param>
    /// <returns>The grade, or null where no hill is that steep.</returns>
    public static double? GradeFor(LoadKnown known, double decrement)
    {
        var sine = LoadPhysics.ResistanceFor(known.Curve, known.Curve.InitialAcceleration, known.BodyKilograms, LoadKnown.UsualHeightMetres, 1 - (decrement / 100)) / SprintForces.Gravity;
        return Math.Abs(sine) < 1 && 100 * Math.Tan(Math.Asin(sine)) is var grade && Math.Abs(grade) <= SteepestGrade ? grade : null;
    }

    /// <summary>Resistance over body mass of a grade, N/kg.</summary>
    /// <param name="grade">Percent.</param>
    internal static double Pull(double grade) => SprintForces.Gravity * Math.Sin(Math.Atan(grade / 100));
}
