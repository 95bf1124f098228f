using InchBurst.Core.Demand;

namespace InchBurst.Core.Season;

/// <summary>An athlete's top-speed clock.</summary>
/// <param name="Last">Last day a logged stretch reached the share, or null when none has.</param>
/// <param name="DaysSince">Days since then, or null.</param>
/// <param name="DueOn">Day by which the next is due, or null when nothing is logged.</param>
/// <param name="IsDue">True when it is due today or before, or nothing is logged.</param>
public sealed record TopSpeedClock(DateOnly? Last, int? DaysSince, DateOnly? DueOn, bool IsDue)
{
    /// <summary>True when the last one is estimated from a long run's time, not measured between flying gates.</summary>
    public bool IsEstimated { get; init; }

    /// <summary>Share of the athlete's best flying speed that counts as a top-speed exposure.</summary>
    public const double UsualShare = Limits.TopSpeedShare;

    /// <summary>Days after which top speed begins to fade (common practice).</summary>
    public const int UsualDays = 6;

    /// <summary>True when the last one was in a match, by the coach's word.</summary>
    public bool IsByWord { get; init; }

    /// <summary>Days since it fell due; 0 when it is not over.</summary>
    public int DaysOver { get; init; }

    /// <summary>The clock on a day, from what was measured, what was estimated and what the coach says of matches.</summary>
    /// <param name="measured">Last day a measured stretch reached the share, or null.</param>
    /// <param name="estimated">Last day an estimated speed did, or null.</param>
    /// <param name="byWord">Last match that counts by the coach's word, or null.</param>
    /// <param name="today">The day.</param>
    /// <param name="dueAfterDays">Days until due, 1 to 60.</param>
    public static TopSpeedClock On(DateOnly? measured, DateOnly? estimated, DateOnly? byWord, DateOnly today, int dueAfterDays = UsualDays)
    {
        static bool IsLater(DateOnly? a, DateOnly? b) => a is not null && (b is null || a > b);
        return IsLater(byWord, measured) && IsLater(byWord, estimated) ? On(byWord, today, dueAfterDays) with { IsByWord = true }
            : IsLater(estimated, measured) ? On(estimated, today, dueAfterDays) with { IsEstimated = true }
            : On(measured, today, dueAfterDays);
    }

    /// <summary>The clock on a day.</summary>
    /// <param name="last">Last day the share was reached, or null.</param>
    /// <param name="today">The day.</param>
    /// <param name="dueAfterDays">Days until due, 1 to 60.</param>
    public static TopSpeedClock On(DateOnly? last, DateOnly today, int dueAfterDays = UsualDays)
    {
        if (last is not { } day)
        {
            return new(null, null, null, true);
        }

        var since = today.DayNumber - day.DayNumber;
        return new(day, since, day.AddDays(dueAfterDays), since >= dueAfterDays) { DaysOver = Math.Max(0, since - dueAfterDays) };
    }
}
