using InchBurst.Core.Log;

namespace InchBurst.Core.Progress;

/// <summary>Left against right.</summary>
/// <param name="Share">(faster - slower) / faster of the mean speeds, 0 to 1.</param>
/// <param name="IsLeftFaster">True when left is the faster side.</param>
/// <param name="IsBeyondError">True when it is more than the measurement's own error, so that it may be shown as a difference.</param>
/// <param name="ErrorShare">The error as a share of speed.</param>
public sealed record SideGap(double Share, bool IsLeftFaster, bool IsBeyondError, double ErrorShare)
{
    /// <summary>
    /// Error of one time when an athlete has not repeated each side: 10 ms for electronic clocks (gate noise), 0.1 s for watches (their rounding).
    /// Common practice.
    /// </summary>
    /// <param name="method">How it was timed.</param>
    public static double ErrorSeconds(TimingMethod method) => method == TimingMethod.Hand ? 0.1 : 0.01;

    /// <summary>Compares times of the two sides over one stretch; (stronger - weaker) / stronger, shown only beyond the measurement's own error (Hopkins 2000 for the typical error).</summary>
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
        var error = Math.Max(ErrorSeconds(method), Pooled(left, right));

        // The difference of two means carries the error of both.
        var ofDifference = error * Math.Sqrt((1.0 / left.Count) + (1.0 / right.Count));
        var share = Math.Abs(l - r) / Math.Max(l, r);
        return new(share, l < r, Math.Abs(l - r) > ofDifference + 1e-12, ofDifference / Math.Max(l, r));
    }

    private static double Pooled(IReadOnlyList<double> left, IReadOnlyList<double> right)
    {
        double Squares(IReadOnlyList<double> side) => side.Sum(x => (x - side.Average()) * (x - side.Average()));
        var free = left.Count + right.Count - 2;
        return free < 1 ? 0 : Math.Sqrt((Squares(left) + Squares(right)) / free);
    }
}
