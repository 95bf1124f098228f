using InchBurst.Core.Plan;
using InchBurst.Core.Season;

namespace InchBurst.Web.Drawing;

/// <summary>An athlete's week at top speed as a row of seven columns: where it is covered by what was reached, where by what is planned, where the days are up.</summary>
/// <param name="Athlete">The athlete.</param>
/// <param name="DaysSince">Days since the last time, today or at the week's end; null when nothing is known.</param>
/// <param name="Solid">Stretches covered until today, in days from Monday's beginning, 0 to 7.</param>
/// <param name="Dashed">Stretches covered ahead.</param>
/// <param name="Bare">Stretches that are not covered.</param>
/// <param name="Reached">Where it was reached.</param>
/// <param name="Planned">Where it is planned.</param>
/// <param name="Up">Where the days are up, or null.</param>
/// <param name="Word">What stands beside it.</param>
/// <param name="IsOver">True when the days are up already.</param>
/// <param name="Held">Why the clock waits, or null.</param>
public sealed record ExposureRow(
    SeasonAthlete Athlete, int? DaysSince, IReadOnlyList<(double From, double To)> Solid, IReadOnlyList<(double From, double To)> Dashed, IReadOnlyList<(double From, double To)> Bare,
    IReadOnlyList<double> Reached, IReadOnlyList<double> Planned, double? Up, string Word, bool IsOver, string? Held)
{
    /// <summary>Draws the row.</summary>
    /// <param name="week">The week.</param>
    /// <param name="athlete">The athlete.</param>
    /// <param name="availability">Whether the athlete trains.</param>
    /// <param name="reached">Days at top speed, any order.</param>
    /// <param name="today">Today.</param>
    public static ExposureRow Draw(GroupWeek week, SeasonAthlete athlete, Availability availability, IEnumerable<DateOnly> reached, DateOnly today)
    {
        var every = week.Numbers.Every;
        double At(DateOnly day) => day.DayNumber - week.Monday.DayNumber + 0.5;
        var done = reached.Where(d => d <= today && d <= week.Sunday).Distinct().Order().ToList();
        var ahead = availability != Availability.Full ? [] : week.Sessions.Where(s => !s.IsDone && s.Covers(athlete.Name) && s.Day >= today && s.Day <= week.Sunday && !done.Contains(s.Day)).Select(s => s.Day).Distinct().Order().ToList();
        var end = today < week.Sunday ? today : week.Sunday;
        var since = done.Count > 0 ? end.DayNumber - done[^1].DayNumber : (int?)null;
        var now = Math.Clamp(At(today), 0, 7);
        if (availability == Availability.Out)
        {
            return new(athlete, since, [], [], [(0, 7)], InWeek(done, week, At), [], null, "", false, "out, the clock waits");
        }

        // Covered from each time for the days the school gives.
        var covered = done.Concat(ahead).Select(d => (From: Math.Max(0, At(d)), To: Math.Min(7, At(d) + every))).Where(c => c.To > 0 && c.From < 7).ToList();
        var joined = new List<(double From, double To)>();
        foreach (var c in covered)
        {
            if (joined.Count > 0 && c.From <= joined[^1].To)
            {
                joined[^1] = (joined[^1].From, Math.Max(joined[^1].To, c.To));
            }
            else
            {
                joined.Add(c);
            }
        }

        var bare = new List<(double, double)>();
        var at = 0.0;
        foreach (var (from, to) in joined)
        {
            if (from > at)
            {
                bare.Add((at, from));
            }

            at = to;
        }

        if (at < 7)
        {
            bare.Add((at, 7));
        }

        // The first day the limit is reached with nothing behind it; one that was made good since is past and rings no more.
        var up = joined.Where(c => c.To < 7 && (c.To >= now || !done.Any(d => At(d) > c.To))).Select(c => (double?)c.To).FirstOrDefault() ?? (done.Count > 0 && At(done[^1]) + every <= 0 && joined.All(c => c.From > now - 1e-9 && c.From > 0) ? 0.0 : null);
        var over = since is { } days && days > every && up is { } x && x <= now;
        var word = availability == Availability.Modified ? "" : up is null ? "" : over ? $"overdue {since!.Value - every} d" : "due";
        return new(
            athlete, since,
            [.. joined.Where(c => c.From < now).Select(c => (c.From, Math.Min(c.To, now)))], [.. joined.Where(c => c.To > now).Select(c => (Math.Max(c.From, now), c.To))], bare,
            InWeek(done, week, At), [.. ahead.Select(At)], availability == Availability.Modified ? null : up, word, over, availability == Availability.Modified ? "held" : done.Count == 0 ? "nothing at top speed yet" : null);
    }

    private static double[] InWeek(IEnumerable<DateOnly> days, GroupWeek week, Func<DateOnly, double> at) => [.. days.Where(d => d >= week.Monday).Select(at)];
}
