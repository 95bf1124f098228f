using InchBurst.Core.Units;

namespace InchBurst.Core.Plan;

/// <summary>Rest as written.</summary>
/// <param name="RepSeconds">Seconds between reps, 0 to 3600; null when it follows a rule.</param>
/// <param name="SetSeconds">Seconds between sets, 0 to 3600; null means as between reps.</param>
/// <param name="Per">With <paramref name="RepSeconds"/>: that many seconds for each such distance run.</param>
/// <param name="WalkBack">True when the walk back is the rest; with <paramref name="RepSeconds"/> so many seconds follow it.</param>
public sealed record LineRest(double? RepSeconds = null, double? SetSeconds = null, Distance? Per = null, bool WalkBack = false)
{
    /// <summary>Rest as so many times the work of a rep, 0.1 to 20 (1:1 is 1); null where it is said otherwise.</summary>
    public double? OfWork { get; init; }

    /// <summary>Seconds from one start to the next, 1 to 3600: what a rep leaves of them is the rest; null where it is said otherwise.</summary>
    public double? EverySeconds { get; init; }

    /// <summary>Longest rest between reps where a range was written, s; <see cref="RepSeconds"/> is the shortest, the harder end.</summary>
    public double? MostSeconds { get; init; }
}
