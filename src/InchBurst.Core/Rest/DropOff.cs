using InchBurst.Core.Units;

namespace InchBurst.Core.Rest;

/// <summary>A rep against the stop line.</summary>
/// <param name="Share">Speed of the last rep as a share of the reference, 1 being equal.</param>
/// <param name="StopShare">Share at which the line stands.</param>
/// <param name="Earlier">Shares of the reps before, in the order run.</param>
/// <param name="Advice">What to do about it, in a coach's words.</param>
/// <param name="SaysStop">True under the line.</param>
public sealed record DropOffReading(double Share, double StopShare, IReadOnlyList<double> Earlier, string Advice, bool SaysStop);

/// <summary>The drop-off of a day's reps against its best, and the line at which to stop: 95% by default (common practice, 3 to 5% drop).</summary>
public static class DropOff
{
    /// <summary>Share of the best speed below which a rep says stop when the school says nothing else (common practice).</summary>
    public const double UsualStopShare = 0.95;

    /// <summary>Reads the reps of a day.</summary>
    /// <param name="seconds">Times over the same stretch in the order run, each above 0, at least one.</param>
    /// <param name="stopShare">Where the stop line stands, 0.8 to 0.99.</param>
    /// <param name="seasonBest">Best time of the season over the stretch in s, to judge against it instead of the day's best; null for the day's.</param>
    /// <returns>The reading, or null when there is nothing to compare.</returns>
    public static DropOffReading? Read(IReadOnlyList<double> seconds, double stopShare = UsualStopShare, double? seasonBest = null)
    {
        if (seconds.Count == 0 || (seconds.Count == 1 && seasonBest is null))
        {
            return null;
        }

        var reference = seasonBest is { } season ? Math.Min(season, seconds.Min()) : seconds.Min();
        var shares = seconds.Select(s => reference / s).ToList();
        var last = shares[^1];
        var percent = Figures.Exact(last * 100, 1) + "%";

        // Judged on the figure that is shown, so that "95.0%" is never called under the line of 95.
        var stop = Math.Round(last * 100, 1) < Math.Round(stopShare * 100, 1);
        var toLine = (last - stopShare) * 100;
        var advice = stop
            ? $"Stop here: {percent}, under the {Figures.Number(stopShare * 100, 1)}% line"
            : last >= 1 ? "Best of the day"
            : toLine < 1 ? $"{percent}: close to the line, one more at most"
            : $"{percent}, {Figures.Exact(toLine, 1)} above the line";
        return new(last, stopShare, shares[..^1], advice, stop);
    }

    /// <summary>Speed of the last rep as a share of the best of the day, 1 or less for a drop; null with fewer than two reps.</summary>
    /// <param name="seconds">Times over the same stretch in the order run, each above 0.</param>
    public static double? LastAgainstBest(IReadOnlyList<double> seconds) => Read(seconds)?.Share;
}
