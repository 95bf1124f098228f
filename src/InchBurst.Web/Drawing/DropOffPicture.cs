using InchBurst.Core.Demand;
using InchBurst.Core.Rest;
using InchBurst.Core.Units;

namespace InchBurst.Web.Drawing;

/// <summary>An athlete's reps of a line as shares of the best of the day.</summary>
public sealed record DropOffPanel(int AthleteId, string Name, string Points, IReadOnlyList<(double X, double Y, bool Below)> Dots, double StopY, double Width, double Height, string Last, bool Below)
{
    /// <summary>Draws one athlete's reps, 91 to 100.5% upwards, evenly spaced by rep.</summary>
    /// <param name="athleteId">Number of the athlete.</param>
    /// <param name="name">Name of the athlete.</param>
    /// <param name="seconds">Times in the order run, each above 0, at least one.</param>
    /// <param name="reps">Most reps any athlete ran, so that all panels share their scale.</param>
    /// <param name="stopShare">Where the stop line stands.</param>
    /// <param name="method">How they were timed.</param>
    /// <param name="width">Width in px.</param>
    /// <param name="height">Height in px.</param>
    public static DropOffPanel Draw(int athleteId, string name, IReadOnlyList<double> seconds, int reps, double stopShare, TimingMethod method, double width, double height)
    {
        const double most = 1.005;
        var least = Math.Min(0.91, stopShare - 0.02);
        var best = seconds.Min();
        double Y(double share) => 6 + ((height - 12) * (most - Math.Clamp(share, least, most)) / (most - least));
        double X(int rep) => reps <= 1 ? width / 2 : 8 + ((width - 16) * rep / (reps - 1));
        var dots = seconds.Select((s, i) => (X(i), Y(best / s), DropOff.SaysStop(s, best, seconds.Count, stopShare, method))).ToList();
        var share = best / seconds[^1];
        return new(
            athleteId, name, string.Join(' ', dots.Select(d => string.Create(System.Globalization.CultureInfo.InvariantCulture, $"{d.Item1:0.#},{d.Item2:0.#}"))), dots, Y(stopShare), width, height,
            Figures.Exact(share * 100, 1) + "%", dots[^1].Item3);
    }
}
