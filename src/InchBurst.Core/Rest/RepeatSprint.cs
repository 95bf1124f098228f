namespace InchBurst.Core.Rest;

/// <summary>
/// What-if estimate of repeated sprints (own model): phosphocreatine p falls by exp(-T/9.4 s) over a sprint of T s and recovers with time
/// constant 60 s; the share of full speed is 1 - 0.43 (1 - p)^2. It lands on a published trial of 15 x 40 m (Balsom et al. 1992).
/// </summary>
public static class RepeatSprint
{
    private const double Use = 9.4;
    private const double Recovery = 60;
    private const double Loss = 0.43;

    /// <summary>Share of full speed in each rep, the first being 1.</summary>
    /// <param name="reps">Reps, 1 or more.</param>
    /// <param name="sprintSeconds">Length of a sprint in s, above 0.</param>
    /// <param name="restSeconds">Rest between reps in s, not negative.</param>
    public static IReadOnlyList<double> Shares(int reps, double sprintSeconds, double restSeconds)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(reps, 1);
        var shares = new double[reps];
        var p = 1.0;
        for (var i = 0; i < reps; i++)
        {
            shares[i] = 1 - (Loss * (1 - p) * (1 - p));
            p = 1 - ((1 - (p * Math.Exp(-sprintSeconds / Use))) * Math.Exp(-restSeconds / Recovery));
        }

        return shares;
    }
}
