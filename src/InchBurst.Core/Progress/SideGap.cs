using InchBurst.Core.Demand;
using MathNet.Numerics.Distributions;

namespace InchBurst.Core.Progress;

/// <summary>Left against right.</summary>
/// <param name="Share">(stronger - weaker) / stronger, 0 to 1; of times that is of the mean speeds.</param>
/// <param name="IsLeftBetter">True when left is the stronger or faster side.</param>
/// <param name="IsBeyondError">True when a symmetric athlete would show as much in at most 5% of cases, so that it may be shown as a difference.</param>
/// <param name="ErrorShare">Half width of the range of no difference as a share; 1 where there are too few attempts to tell.</param>
public sealed record SideGap(double Share, bool IsLeftBetter, bool IsBeyondError, double ErrorShare)
{
    /// <summary>Chance that a symmetric athlete is called different.</summary>
    public const double FalseAlarm = 0.05;

    /// <summary>Compares times of the two sides over one stretch, of one day.</summary>
    /// <param name="left">Times to the left in s, each above 0.</param>
    /// <param name="right">Times to the right in s, each above 0.</param>
    /// <param name="method">How they were timed.</param>
    /// <returns>The gap, or null when a side has no time.</returns>
    public static SideGap? Of(IReadOnlyList<double> left, IReadOnlyList<double> right, TimingMethod method) => Of([(left, right)], TimingError.Seconds(method), true);

    /// <summary>
    /// Compares the two sides over some days: what differs from day to day is common to both sides and taken out, so that a day with one side only says nothing (two-way additive model by least
    /// squares, which for one day is Student's comparison of two means). Called a difference only when it is beyond both the athlete's own scatter, by Student's t with its freedom, and the error of
    /// measuring, by the normal distribution (Hopkins 2000 for the typical error). One attempt a side tells nothing of the scatter, so it is never called.
    /// </summary>
    /// <param name="days">Figures of each day, left and right, each above 0.</param>
    /// <param name="error">Error of measuring one of them as a standard deviation, in their unit, not negative.</param>
    /// <param name="lessIsBetter">True for times.</param>
    /// <returns>The gap, or null when no day has both sides.</returns>
    public static SideGap? Of(IReadOnlyList<(IReadOnlyList<double> Left, IReadOnlyList<double> Right)> days, double error, bool lessIsBetter)
    {
        var both = days.Where(d => d.Left.Count > 0 && d.Right.Count > 0).Select(d => (L: d.Left.Average(), R: d.Right.Average(), Weight: d.Left.Count * d.Right.Count / (double)(d.Left.Count + d.Right.Count), Of: d)).ToList();
        if (both.Count == 0)
        {
            return null;
        }

        var weight = both.Sum(d => d.Weight);
        var (l, r) = (both.Sum(d => d.Weight * d.L) / weight, both.Sum(d => d.Weight * d.R) / weight);
        var most = Math.Max(l, r);
        var share = Math.Abs(l - r) / most;
        var isLeft = lessIsBetter ? l < r : l > r;
        var free = both.Sum(d => d.Of.Left.Count + d.Of.Right.Count) - both.Count - 1;
        if (free < 1)
        {
            return new(share, isLeft, false, 1);
        }

        // The difference carries the error of the means of both sides.
        var ofMeans = Math.Sqrt(1 / weight);
        var clock = Normal.InvCDF(0, 1, 1 - (FalseAlarm / 2)) * error * ofMeans;
        var squares = both.Sum(d => Squares(d.Of.Left, d.L) + Squares(d.Of.Right, d.R) + (d.Weight * (d.L - d.R - (l - r)) * (d.L - d.R - (l - r))));
        var scatter = StudentT.InvCDF(0, 1, free, 1 - (FalseAlarm / 2)) * Math.Sqrt(squares / free) * ofMeans;
        var least = Math.Max(clock, scatter);
        return new(share, isLeft, Math.Abs(l - r) > least, Math.Min(1, least / most));
    }

    private static double Squares(IReadOnlyList<double> side, double mean) => side.Sum(x => (x - mean) * (x - mean));
}
