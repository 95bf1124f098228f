namespace InchBurst.Core.Progress;

/// <summary>What an athlete ran from the start on a day under the same conditions.</summary>
/// <param name="Day">The day.</param>
/// <param name="Key">Key of the trial: equal keys compare.</param>
/// <param name="Marks">Marks that were timed, in mm.</param>
public sealed record CompareTrial(DateOnly Day, string Key, IReadOnlySet<int> Marks);

/// <summary>Which two days of an athlete are laid over each other when nobody, or not everything, was said.</summary>
public static class ComparePick
{
    /// <summary>Days between the two that are looked for: a block of training (own rule).</summary>
    public const int DaysApart = 42;

    /// <summary>Marks in common that are enough to see where a difference comes from.</summary>
    public const int EnoughMarks = 3;

    private const int LatestDays = 8;

    /// <summary>
    /// Picks the latest day that has enough marks in common with an earlier one, else the days with most in common; of the earlier ones with as many, the nearest to six weeks
    /// before. What was said holds; then the other follows, and days that share no trial are still given, so that why they do not compare can be said.
    /// </summary>
    /// <param name="trials">All there is.</param>
    /// <param name="now">The first day, or null when it was not said.</param>
    /// <param name="then">The second day, or null.</param>
    /// <returns>The two trials; the second null where there is no other; null where the first has none.</returns>
    public static (CompareTrial Now, CompareTrial? Then)? Of(IReadOnlyList<CompareTrial> trials, DateOnly? now, DateOnly? then)
    {
        var days = trials.Select(t => t.Day).Distinct().OrderDescending().ToList();
        var firsts = now is { } said ? [said] : days.Where(d => d != then).Take(LatestDays).ToList();
        (CompareTrial Now, CompareTrial? Then, int Common)? best = null;
        foreach (var day in firsts)
        {
            foreach (var first in trials.Where(t => t.Day == day).OrderByDescending(t => t.Marks.Count))
            {
                var second = trials.Where(t => t.Day != day && (then is null ? t.Key == first.Key && (t.Day < day || now is not null) : t.Day == then))
                    .OrderByDescending(t => t.Key == first.Key).ThenByDescending(t => Common(first, t)).ThenBy(t => t.Day > day).ThenBy(t => Math.Abs(day.DayNumber - t.Day.DayNumber - DaysApart)).FirstOrDefault();
                var common = second is null ? 0 : Common(first, second) + (second.Key == first.Key ? SameTrial : 0);
                if (best is null || common > best.Value.Common)
                {
                    best = (first, second, common);
                }
            }

            if (best is { Common: >= SameTrial + EnoughMarks })
            {
                break;
            }
        }

        return best is { } found ? (found.Now, found.Then) : null;
    }

    // The same trial comes before any number of marks.
    private const int SameTrial = 1000;

    private static int Common(CompareTrial a, CompareTrial b) => a.Marks.Count(b.Marks.Contains);
}
