namespace InchBurst.Core.Sprint;

/// <summary>A phase of a sprint.</summary>
public enum SprintPhase
{
    /// <summary>The first steps: until half of top speed.</summary>
    Start,

    /// <summary>Driving: until 80% of top speed.</summary>
    Drive,

    /// <summary>Rising: until 95%.</summary>
    Rise,

    /// <summary>Upright from there.</summary>
    Upright,

    /// <summary>Slowing: past the fastest part of a long run.</summary>
    Slowing,
}

/// <summary>Where the phases of a sprint lie (common practice: by the share of top speed that is reached).</summary>
public static class SprintPhases
{
    private const double StartShare = 0.50;
    private const double DriveShare = 0.80;
    private const double RiseShare = 0.95;
    private const double Least = 0.2;

    /// <summary>The phases of a run, in order; those shorter than 0.2 m are left out.</summary>
    /// <param name="curve">The curve.</param>
    /// <param name="behindMetres">Distance from the start line to the first gate in m; the phases are told from the gate on.</param>
    /// <param name="far">End of the run in m.</param>
    /// <param name="slowingFrom">Where the runner began to slow, m; null when they did not.</param>
    public static IReadOnlyList<(SprintPhase Phase, double From, double To)> Of(SprintCurve curve, double behindMetres, double far, double? slowingFrom = null)
    {
        var end = Math.Min(slowingFrom ?? far, far);
        var phases = new List<(SprintPhase, double, double)>();
        var from = 0.0;
        foreach (var (phase, share) in new[] { (SprintPhase.Start, StartShare), (SprintPhase.Drive, DriveShare), (SprintPhase.Rise, RiseShare), (SprintPhase.Upright, 1) })
        {
            var to = phase == SprintPhase.Upright ? end : Math.Clamp(curve.DistanceAtShare(share) - behindMetres, from, end);
            if (to - from > Least)
            {
                phases.Add((phase, from, to));
                from = to;
            }
        }

        if (far - end > Least)
        {
            phases.Add((SprintPhase.Slowing, end, far));
        }

        return phases;
    }
}
