namespace InchBurst.Core.Units;

/// <summary>What a time in the air says.</summary>
public static class AirTime
{
    /// <summary>Standard gravity as used in the field's formulas, m/s2.</summary>
    public const double Gravity = 9.81;

    /// <summary>
    /// Height of a jump from its time in the air, g t² / 8: half of the time is falling. It holds for the same position of the body at both ends; landing with bent legs reads high.
    /// </summary>
    /// <param name="seconds">Time in the air in s, not negative.</param>
    /// <returns>Rise of the body in m.</returns>
    public static double Height(double seconds) => Gravity * seconds * seconds / 8;
}
