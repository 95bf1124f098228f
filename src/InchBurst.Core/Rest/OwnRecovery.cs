using MathNet.Numerics.Distributions;

namespace InchBurst.Core.Rest;

/// <summary>A set of like sprints as it was really run.</summary>
/// <param name="Seconds">Time of each in s, above 0.</param>
/// <param name="Rests">Rest after each but the last in s, not negative.</param>
public sealed record RepeatSet(IReadOnlyList<double> Seconds, IReadOnlyList<double> Rests);

/// <summary>An athlete's own time constant of recovery.</summary>
/// <param name="Seconds">The constant in s.</param>
/// <param name="Least">Lower end of its 90% range in s.</param>
/// <param name="Most">Upper end in s.</param>
/// <param name="Reps">Reps it stands on.</param>
/// <param name="Sets">Sets of them.</param>
public sealed record OwnRecovery(double Seconds, double Least, double Most, int Reps, int Sets)
{
    /// <summary>Fewest reps of a set that is looked at.</summary>
    public const int FewestReps = 4;

    /// <summary>Fewest sets of which anything is said (own rule).</summary>
    public const int FewestSets = 3;

    /// <summary>The 90% range may be this many times as wide up as down and no wider (own rule): else the log is not enough.</summary>
    public const double WidestFactor = 1.7;

    /// <summary>Ends between which the constant is looked for, s.</summary>
    public const double LeastSeconds = 10, MostSeconds = 240;

    private const int Grid = 64;

    /// <summary>
    /// Fits the constant of <see cref="RepeatSprint"/> to an athlete's own sets by least squares on the logarithms of the times, each set with a level of its own, so that the form of the
    /// day plays no part. Its range is that of Student's t with the scatter about the fit, on the logarithm of the constant.
    /// </summary>
    /// <param name="sets">Sets as they were run; those of fewer than <see cref="FewestReps"/> are passed over.</param>
    /// <returns>The constant, or why it cannot be told: too few sets, nothing lost between reps, or a range too wide.</returns>
    public static (OwnRecovery? Own, string? Reason) Of(IEnumerable<RepeatSet> sets)
    {
        var told = sets.Where(s => s.Seconds.Count >= FewestReps && s.Rests.Count == s.Seconds.Count - 1).ToList();
        if (told.Count < FewestSets)
        {
            return (null, $"It takes {FewestSets} sets of {FewestReps} and more timed reps; so far there {(told.Count == 1 ? "is one" : $"are {told.Count}")}.");
        }

        var (low, high) = (Math.Log(LeastSeconds), Math.Log(MostSeconds));
        var step = (high - low) / Grid;
        var at = Enumerable.Range(0, Grid + 1).MinBy(i => Squares(told, low + (i * step)));
        if (at is 0 or Grid)
        {
            return (null, "The rests were too long, or the reps too even, to tell: nothing is lost that could be recovered.");
        }

        var best = MathNet.Numerics.FindMinimum.OfScalarFunctionConstrained(x => Squares(told, x), low + ((at - 1) * step), low + ((at + 1) * step), 1e-6, 200);
        var (reps, slopes) = (told.Sum(s => s.Seconds.Count), 0.0);
        foreach (var set in told)
        {
            var (up, down) = (Levels(set, best + Nudge), Levels(set, best - Nudge));
            var slope = up.Zip(down, (u, d) => (u - d) / (2 * Nudge)).ToList();
            slopes += slope.Sum(s => (s - slope.Average()) * (s - slope.Average()));
        }

        var free = reps - told.Count - 1;
        var half = StudentT.InvCDF(0, 1, free, 0.95) * Math.Sqrt(Squares(told, best) / free / slopes);
        return half > Math.Log(WidestFactor)
            ? (null, "The rests were too long, or the times differ too much by themselves, to tell how soon the athlete recovers.")
            : (new(Math.Exp(best), Math.Exp(best - half), Math.Exp(best + half), reps, told.Count), null);
    }

    private const double Nudge = 0.01;

    // Logarithm of each time with what the model says was lost taken out: alike within a set when the constant is right.
    private static List<double> Levels(RepeatSet set, double log) => [.. set.Seconds.Zip(RepeatSprint.Shares(set.Seconds, set.Rests, Math.Exp(log)), (seconds, share) => Math.Log(seconds * share))];

    private static double Squares(List<RepeatSet> sets, double log) => sets.Sum(set => Levels(set, log) is var levels && levels.Average() is var mean ? levels.Sum(l => (l - mean) * (l - mean)) : 0);

    /// <summary>Shortest rest that keeps a share of full speed to the last rep, s, to the next 5 s; null when five minutes do not.</summary>
    /// <param name="reps">Reps, 1 or more.</param>
    /// <param name="sprintSeconds">Length of a sprint in s, above 0.</param>
    /// <param name="share">Share to keep, 0 to 1.</param>
    public int? RestFor(int reps, double sprintSeconds, double share) =>
        Enumerable.Range(1, MostRestSeconds / RestStep).Select(i => i * RestStep).Where(rest => RepeatSprint.Shares(reps, sprintSeconds, rest, Seconds)[^1] >= share).Select(rest => (int?)rest).FirstOrDefault();

    private const int RestStep = 5;
    private const int MostRestSeconds = 300;
}
