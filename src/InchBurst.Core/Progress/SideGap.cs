using InchBurst.Core.Demand;
using MathNet.Numerics.Distributions;

namespace InchBurst.Core.Progress;

/// <summary>Left against right.</summary>
/// <param name="Share">(faster - slower) / faster of the mean speeds, 0 to 1.</param>
/// <param name="IsLeftFaster">True when left is the faster side.</param>
/// <param name="IsBeyondError">True when a symmetric athlete would show as much in at most 5% of cases, so that it may be shown as a difference.</param>
/// <param name="ErrorShare">Half width of the range of no difference as a share of speed; 1 where there are too few reps to tell.</param>
public sealed record SideGap(double Share, bool IsLeftFaster, bool IsBeyondError, double ErrorShare)
{
    /// <summary>Chance that a symmetric athlete is called different.</summary>
    public const double FalseAlarm = 0.05;

    /// <summary>
    /// Compares times of the two sides over one stretch: (stronger - weaker) / stronger. Called a difference only when it is beyond both the athlete's own scatter, by
    /// Student's t with its freedom, and the clock's error, by the normal distribution (Hopkins 2000 for the typical error). One rep a side tells nothing of the
    /// scatter, so it is never called.
    /// </summary>
    /// <param name="left">Times to the left in s, each above 0.</param>
    /// <param name="right">Times to the right in s, each above 0.</param>
    /// <param name="method">How they were timed.</param>
    /// <returns>The gap, or null when a side has no time.</returns>
    public static SideGap? Of(IReadOnlyList<double> left, IReadOnlyList<double> right, TimingMethod method)
    {
        if (left.Count == 0 || right.Count == 0)
        {
            return null;
        }

        var (l, r) = (left.Average(), right.Average());
        var slower = Math.Max(l, r);
        var share = Math.Abs(l - r) / slower;
        var free = left.Count + right.Count - 2;
        if (free < 1)
        {
            return new(share, l < r, false, 1);
        }

        // The difference of two means carries the error of both.
        var ofMeans = Math.Sqrt((1.0 / left.Count) + (1.0 / right.Count));
        var clock = Normal.InvCDF(0, 1, 1 - (FalseAlarm / 2)) * TimingError.Seconds(method) * ofMeans;
        var scatter = StudentT.InvCDF(0, 1, free, 1 - (FalseAlarm / 2)) * Math.Sqrt((Squares(left) + Squares(right)) / free) * ofMeans;
        var error = Math.Max(clock, scatter);
        return new(share, l < r, Math.Abs(l - r) > error, Math.Min(1, error / slower));
    }

    private static double Squares(IReadOnlyList<double> side)
    {
        var mean = side.Average();
        return side.Sum(x => (x - mean) * (x - mean));
    }
}
