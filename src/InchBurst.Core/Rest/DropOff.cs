using InchBurst.Core.Demand;
using InchBurst.Core.School;
using InchBurst.Core.Units;

namespace InchBurst.Core.Rest;

/// <summary>A rep against the stop line.</summary>
/// <param name="Share">Speed of the last rep as a share of the reference, 1 being equal.</param>
/// <param name="StopShare">Share at which the line stands.</param>
/// <param name="Earlier">Shares of the reps before, in the order run.</param>
/// <param name="Advice">What to do about it, in a coach's words.</param>
/// <param name="SaysStop">True under the line.</param>
public sealed record DropOffReading(double Share, double StopShare, IReadOnlyList<double> Earlier, string Advice, bool SaysStop);

/// <summary>
/// The drop-off of a day's reps against its best, and the line at which to stop: 95% by default (common practice, 3 to 5% drop). The best of several reps is
/// flattered by its own error, so stop is said only when an athlete who has not dropped at all would be told so in at most 5% of reps (own rule, normal errors).
/// </summary>
public static class DropOff
{
    /// <summary>Share of the best speed below which a rep says stop when the school says nothing else: what the usual school says.</summary>
    public static double UsualStopShare => CoachingSchool.Usual["stop.share"] / 100;

    /// <summary>Chance that a rep says stop though nothing has dropped.</summary>
    public const double FalseAlarm = 0.05;

    // The margin c, in errors of one time, with P(last - best of the others > c) = 5% when all n reps are the same but for normal error, from n = 2 on. Solved by
    // numerical integration; the tests integrate again.
    private static readonly double[] Margins =
    [
        2.326, 2.710, 2.916, 3.055, 3.159, 3.242, 3.310, 3.368, 3.418, 3.463, 3.502, 3.538, 3.571, 3.600, 3.628, 3.654, 3.677, 3.700, 3.721,
    ];

    /// <summary>Reads the reps of a day.</summary>
    /// <param name="seconds">Times over the same stretch in the order run, each above 0, at least one.</param>
    /// <param name="stopShare">Where the stop line stands, 0.8 to 0.99; null takes <see cref="UsualStopShare"/>.</param>
    /// <param name="method">How they were timed.</param>
    /// <param name="seasonBest">Best time of the season over the stretch in s, to judge against it instead of the day's best; null for the day's.</param>
    /// <returns>The reading, or null when there is nothing to compare.</returns>
    public static DropOffReading? Read(IReadOnlyList<double> seconds, double? stopShare = null, TimingMethod method = TimingMethod.Electronic, double? seasonBest = null)
    {
        if (seconds.Count == 0 || (seconds.Count == 1 && seasonBest is null))
        {
            return null;
        }

        var line = stopShare ?? UsualStopShare;
        var reference = seasonBest is { } season ? Math.Min(season, seconds.Min()) : seconds.Min();
        var shares = seconds.Select(s => reference / s).ToList();
        var last = shares[^1];
        var percent = Figures.Exact(last * 100, 1) + "%";

        var under = IsUnder(last, line);
        var stop = SaysStop(seconds[^1], reference, seconds.Count + (seasonBest is null ? 0 : 1), line, method);
        var toLine = (last - line) * 100;
        var advice = stop
            ? $"Stop here: {percent}, under the {Figures.Number(line * 100, 1)}% line"
            : under ? $"{percent}, within what {(method switch { TimingMethod.Hand => "a watch", TimingMethod.Film => "film", _ => "the gates" })} can tell apart: run it again to know"
            : last >= 1 ? "Best of the day"
            : toLine < 1 ? $"{percent}: close to the line, one more at most"
            : $"{percent}, {Figures.Exact(toLine, 1)} above the line";
        return new(last, line, shares[..^1], advice, stop);
    }

    /// <summary>True when a rep says stop: under the line, and by more than error makes of several reps that are all the same.</summary>
    /// <param name="seconds">Its time in s, above 0.</param>
    /// <param name="best">Best time of the others, or of all, in s, above 0.</param>
    /// <param name="reps">Reps looked at, this one among them.</param>
    /// <param name="stopShare">Where the stop line stands.</param>
    /// <param name="method">How they were timed.</param>
    public static bool SaysStop(double seconds, double best, int reps, double stopShare, TimingMethod method) =>
        IsUnder(best / seconds, stopShare) && seconds - best > MarginSeconds(reps, method);

    // Judged on the figure that is shown, so that "95.0%" is never called under the line of 95.
    private static bool IsUnder(double share, double line) => Math.Round(share * 100, 1) < Math.Round(line * 100, 1);

    /// <summary>By how many seconds the last of some reps must lie behind the best before it is more than error.</summary>
    /// <param name="reps">Reps of the day, the last among them; fewer than 2 count as 2, more than 20 as 20.</param>
    /// <param name="method">How they were timed.</param>
    public static double MarginSeconds(int reps, TimingMethod method) => Margins[Math.Clamp(reps - 2, 0, Margins.Length - 1)] * TimingError.Seconds(method);
}
