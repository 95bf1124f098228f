using InchBurst.Core.Season;

namespace InchBurst.Web.Drawing;

/// <summary>An athlete's top-speed clock as a row: days near top speed as dots, the time since as a line, what is left of it dashed, the day it falls due as a ring.</summary>
/// <param name="Dots">Days near top speed, the last one large.</param>
/// <param name="LineFrom">Where the line since the last one begins; null without one.</param>
/// <param name="DueX">Where it falls due; null when it is not on the scale.</param>
/// <param name="IsDue">True when it is due.</param>
public sealed record ClockRow(IReadOnlyList<(double X, bool IsLast)> Dots, double? LineFrom, double? DueX, bool IsDue)
{
    /// <summary>Days shown back and on.</summary>
    public const int Back = 8;

    public const int On = 6;

    private const double Day = 9;

    public static double Width => (Back + On) * Day + 12;

    /// <summary>Where a day lies.</summary>
    public static double X(DateOnly day, DateOnly today) => 6 + ((Back + day.DayNumber - today.DayNumber) * Day);

    /// <summary>Draws a clock.</summary>
    /// <param name="clock">The clock.</param>
    /// <param name="days">Days near top speed, any order.</param>
    /// <param name="today">The day.</param>
    public static ClockRow Draw(TopSpeedClock clock, IEnumerable<DateOnly> days, DateOnly today)
    {
        var first = today.AddDays(-Back);
        var last = clock.Last;
        return new(
            [.. days.Concat(last is { } l ? [l] : []).Distinct().Where(d => d >= first && d <= today).Order().Select(d => (X(d, today), d == last))],
            last is { } from ? X(from < first ? first : from, today) : null,
            clock.DueOn is { } due && due <= today.AddDays(On) ? X(due < today ? today : due, today) : null, clock.IsDue);
    }
}
