namespace InchBurst.Core.Rest;

/// <summary>
/// What-if estimate of repeated sprints (own model): phosphocreatine p falls by exp(-T/9.4 s) over a sprint of T s and recovers with time
/// constant 60 s; the share of full speed is 1 - 0.43 (1 - p)^2. It lands on a published trial of 15 x 40 m (Balsom et al. 1992).
/// </summary>
public static class RepeatSprint
{
    /// <summary>Time constant of recovery in s while nobody's own is known.</summary>
    public const double UsualRecovery = 60;

    private const double Use = 9.4;
    private const double Loss = 0.43;

    /// <summary>Share of full speed in each rep, the first being 1.</summary>
    /// <param name="reps">Reps, 1 or more.</param>
    /// <param name="sprintSeconds">Length of a sprint in s, above 0.</param>
    /// <param name="restSeconds">Rest between reps in s, not negative.</param>
    /// <param name="recovery">Time constant of recovery in s, above 0.</param>
    public static IReadOnlyList<double> Shares(int reps, double sprintSeconds, double restSeconds, double recovery = UsualRecovery)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(reps, 1);
        return Shares([.. Enumerable.Repeat(sprintSeconds, reps)], [.. Enumerable.Repeat(restSeconds, reps - 1)], recovery);
    }

    /// <summary>Share of full speed in each rep of a set that was run with the rests there really were.</summary>
    /// <param name="sprints">Length of each sprint in s, above 0; at least one.</param>
    /// <param name="rests">Rest after each but the last in s, not negative.</param>
    /// <param name="recovery">Time constant of recovery in s, above 0.</param>
    public static IReadOnlyList<double> Shares(IReadOnlyList<double> sprints, IReadOnlyList<double> rests, double recovery)
    {
        var shares = new double[sprints.Count];
        var p = 1.0;
        for (var i = 0; i < sprints.Count; i++)
        {
            shares[i] = 1 - (Loss * (1 - p) * (1 - p));
            p = i == rests.Count ? p : 1 - ((1 - (p * Math.Exp(-sprints[i] / Use))) * Math.Exp(-rests[i] / recovery));
        }

        return shares;
    }
}
