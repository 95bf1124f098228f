using System.Globalization;

namespace InchBurst.Web.Drawing;

/// <summary>The best of each day over a season as a small line, faster up.</summary>
/// <param name="Dots">A dot a day.</param>
/// <param name="Best">Which of them is the best.</param>
public sealed record TrendLine(IReadOnlyList<(double X, double Y)> Dots, int Best)
{
    /// <summary>Width in px.</summary>
    public const double Width = 70;

    /// <summary>Height in px.</summary>
    public const double Height = 24;

    private const double Side = 4;

    /// <summary>Dots from the first day shown to the last, and from the slowest at the foot to the fastest at the top.</summary>
    /// <param name="days">Days in order with the best time of each, s.</param>
    /// <param name="from">The first day shown.</param>
    /// <param name="to">The last.</param>
    /// <returns>The line, or null with fewer than two days.</returns>
    public static TrendLine? Draw(IReadOnlyList<(DateOnly Day, double Seconds)> days, DateOnly from, DateOnly to)
    {
        if (days.Count < 2)
        {
            return null;
        }

        var (fastest, slowest) = (days.Min(d => d.Seconds), days.Max(d => d.Seconds));
        var span = Math.Max(1, to.DayNumber - from.DayNumber);
        double X(DateOnly day) => Side + ((Width - (2 * Side)) * (day.DayNumber - from.DayNumber) / span);
        double Y(double seconds) => slowest - fastest < 1e-9 ? Height / 2 : Side + ((Height - (2 * Side)) * (seconds - fastest) / (slowest - fastest));
        return new([.. days.Select(d => (X(d.Day), Y(d.Seconds)))], days.Index().MinBy(d => d.Item.Seconds).Index);
    }

    /// <summary>The points of the line.</summary>
    public string Points => string.Join(' ', Dots.Select(d => string.Create(CultureInfo.InvariantCulture, $"{d.X:0.#},{d.Y:0.#}")));
}
