namespace InchBurst.Core.Log;

/// <summary>Hand times. Source: the rules of athletics (from memory); +0.24 s holds for 60 to 200 m, and is common practice for shorter sprints.</summary>
public static class HandTime
{
    /// <summary>Seconds to add before a hand time may be set beside an electronic one.</summary>
    public const double ToElectronicSeconds = 0.24;

    /// <summary>A hand time as the rules read it: up to the next tenth.</summary>
    /// <param name="seconds">Time on the watch in s, not negative.</param>
    public static double RoundedUp(double seconds) => Math.Ceiling(Math.Round(seconds * 10, 6)) / 10;

    /// <summary>The electronic time a hand time stands for, rounded up first.</summary>
    /// <param name="seconds">Time on the watch in s, not negative.</param>
    public static double AsElectronic(double seconds) => RoundedUp(seconds) + ToElectronicSeconds;

    /// <summary>True when a reaction is a false start: under 0.100 s (rules of athletics, from memory).</summary>
    /// <param name="reactionSeconds">Reaction in s.</param>
    public static bool IsFalseStart(double reactionSeconds) => reactionSeconds < 0.100;
}
