using System.Globalization;
using InchBurst.Core.Demand;
using InchBurst.Core.Rest;
using InchBurst.Core.Units;

namespace InchBurst.Web.Drawing;

/// <summary>An athlete's reps of one line, to be drawn beside those of others.</summary>
/// <param name="Reps">Room for so many, the same for everybody.</param>
/// <param name="Asked">Reps the line asks of this athlete; 0 when it is not for them.</param>
/// <param name="Base">Own best before the day, s; null takes the day's best.</param>
/// <param name="Seconds">Times in the order run.</param>
/// <param name="Signs">Which of the signs stand under each rep.</param>
/// <param name="Method">How they were timed.</param>
public sealed record RepsOfOne(int Reps, int Asked, double? Base, IReadOnlyList<double> Seconds, IReadOnlyList<IReadOnlyList<int>> Signs, TimingMethod Method);

/// <summary>A rep as a dot.</summary>
/// <param name="X">Across, px.</param>
/// <param name="Y">Down, px.</param>
/// <param name="IsBest">True when it beats the best before the day.</param>
/// <param name="SaysStop">True when it lies under the stop line by more than the clock's error.</param>
public readonly record struct RepDot(double X, double Y, bool IsBest, bool SaysStop);

/// <summary>Every rep of an athlete's day as a share of own best, faster up; the lines side by side with a gap between them.</summary>
public sealed record EveryRep
{
    /// <summary>Height in px: the signs stand at its foot.</summary>
    public const double Height = 96;

    /// <summary>Own best lies at this height.</summary>
    public const double BestY = 16;

    /// <summary>The stop line lies at this height, whatever share it is.</summary>
    public const double StopY = 66;

    /// <summary>The stop zone ends at this height.</summary>
    public const double FootY = 74;

    private const double Side = 7;
    private const double SignsY = 84;
    private const double SignStep = 7;
    private const double Top = 5;

    /// <summary>Dots of each line.</summary>
    public required IReadOnlyList<IReadOnlyList<RepDot>> Lines { get; init; }

    /// <summary>The last rep of each line of two reps and more, as a share of the day's best.</summary>
    public required IReadOnlyList<(double X, double Y, string Share, bool SaysStop)> Ends { get; init; }

    /// <summary>Reps that were not run.</summary>
    public required IReadOnlyList<(double X, double Y)> NotRun { get; init; }

    /// <summary>Where one line ends and the next begins.</summary>
    public required IReadOnlyList<double> Gaps { get; init; }

    /// <summary>Signs under the reps they belong to.</summary>
    public required IReadOnlyList<(double X, double Y, int Sign)> Signs { get; init; }

    /// <summary>The points of a line's course through its dots.</summary>
    /// <param name="line">The dots of a line.</param>
    public static string Points(IReadOnlyList<RepDot> line) => string.Join(' ', line.Select(d => string.Create(CultureInfo.InvariantCulture, $"{d.X:0.#},{d.Y:0.#}")));

    /// <summary>Draws one athlete's reps. Athletes of one session are drawn with the same reps a line, so that their cells compare.</summary>
    /// <param name="lines">The lines in order; one the athlete did not run has no times.</param>
    /// <param name="stopShare">Share of the best at which the stop line stands, below 1.</param>
    /// <param name="width">Width in px.</param>
    public static EveryRep Draw(IReadOnlyList<RepsOfOne> lines, double stopShare, double width)
    {
        var step = (width - (2 * Side)) / Math.Max(1, lines.Sum(l => Math.Max(l.Reps, l.Seconds.Count)) + lines.Count - 2);
        var dots = new List<IReadOnlyList<RepDot>>();
        var (ends, notRun, gaps, signs) = (new List<(double, double, string, bool)>(), new List<(double, double)>(), new List<double>(), new List<(double, double, int)>());
        var slot = 0;
        foreach (var line in lines)
        {
            if (slot > 0)
            {
                gaps.Add(Side + ((slot - 1) * step));
            }

            var best = line.Base ?? line.Seconds.DefaultIfEmpty(1).Min();
            var ofDay = line.Seconds.DefaultIfEmpty(1).Min();
            var own = line.Seconds.Select((s, i) => new RepDot(
                Side + ((slot + i) * step), Y(best / s, stopShare), line.Base is { } before && s < before - 1e-9 && s <= ofDay, DropOff.SaysStop(s, ofDay, line.Seconds.Count, stopShare, line.Method))).ToList();
            dots.Add(own);
            if (own.Count > 1)
            {
                ends.Add((own[^1].X, own[^1].Y, Figures.Exact(ofDay / line.Seconds[^1] * 100, 1) + "%", own[^1].SaysStop));
            }

            notRun.AddRange(Enumerable.Range(own.Count, Math.Max(0, line.Asked - own.Count)).Select(i => (Side + ((slot + i) * step), own.Count > 0 ? own[^1].Y : (BestY + StopY) / 2)));
            signs.AddRange(line.Signs.SelectMany((s, i) => s.Select((sign, n) => (Side + ((slot + i) * step), SignsY + (n * SignStep), sign))));
            slot += Math.Max(line.Reps, own.Count) + 1;
        }

        return new() { Lines = dots, Ends = ends, NotRun = notRun, Gaps = gaps, Signs = signs };
    }

    // Linear between best and stop line; what lies beyond the cell stands at its edge.
    private static double Y(double share, double stopShare) => Math.Clamp(BestY + ((1 - share) / (1 - stopShare) * (StopY - BestY)), Top, FootY - 1);
}
