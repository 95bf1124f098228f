using InchBurst.Core.Check;
using InchBurst.Core.Units;

namespace InchBurst.Core.Season;

/// <summary>Those who play wake up the day before.</summary>
public sealed class PrimerBeforeAMatch : IWeekRule
{
    /// <summary>True when a day calls for a primer: the day before a match, for those who play, where it can be held.</summary>
    /// <param name="grid">The days.</param>
    /// <param name="day">Day, 0 for Monday.</param>
    public static bool IsWanted(DayGrid grid, int day) => !grid.Week.PlaysLittle && grid.DaysTo(day) == 1 && grid.DaysSince(day) > 1 && grid.Closed(day) is null;

    /// <inheritdoc/>
    public IEnumerable<WeekFinding> Look(GroupWeek week)
    {
        var (grid, numbers) = (week.Grid(), week.Numbers);
        for (var d = 0; d < 7; d++)
        {
            var day = week.Monday.AddDays(d);
            if (numbers.Primer > 0 && IsWanted(grid, d) && grid[d].Sessions == 0 && day >= week.OpenFrom && week.Slots.Any(s => s.Day == day))
            {
                yield return new("primer", Severity.Note, $"No primer on {day.DayOfWeek}, the day before the match", $"A few short starts, at most {Figures.Number(numbers.Primer)} m. {week.School.Of("week.primer").Reason}", day)
                {
                    Moves = [new($"A primer on {day.DayOfWeek}") { SuggestOn = day }],
                };
            }
        }
    }
}

/// <summary>Those who play little train the day after a match.</summary>
public sealed class TopUpAfterAMatch : IWeekRule
{
    /// <summary>True when a day calls for a top-up: the day after a match, for those who play little, with no match close ahead.</summary>
    /// <param name="grid">The days.</param>
    /// <param name="numbers">Numbers of the school.</param>
    /// <param name="day">Day, 0 for Monday.</param>
    public static bool IsWanted(DayGrid grid, WeekNumbers numbers, int day) => grid.Week.PlaysLittle && grid.DaysSince(day) == 1 && grid.DaysTo(day) > numbers.Clear && grid.Closed(day) is null;

    /// <inheritdoc/>
    public IEnumerable<WeekFinding> Look(GroupWeek week)
    {
        var (grid, numbers) = (week.Grid(), week.Numbers);
        for (var d = 0; d < 7; d++)
        {
            var day = week.Monday.AddDays(d);
            if (IsWanted(grid, numbers, d) && !grid[d].HasFullSprint && day >= week.OpenFrom && week.Slots.Any(s => s.Day == day))
            {
                yield return new("topup", Severity.Note, $"Nothing on {day.DayOfWeek} for those who did not play", "Their match adds little sprinting: the day after it is theirs to train (common practice).", day)
                {
                    Moves = [new($"A top-up on {day.DayOfWeek}") { SuggestOn = day }],
                };
            }
        }
    }
}

/// <summary>With two and more matches close together nothing hard fits between; say so before it is missed.</summary>
public sealed class CrowdedWeek : IWeekRule
{
    /// <summary>Days from one match to the next under which a week is crowded: the days after and the days before meet.</summary>
    /// <param name="numbers">Numbers of the school.</param>
    public static int ClosestDays(WeekNumbers numbers) => numbers.After + numbers.Clear + 1;

    /// <summary>True when two matches lie so close that those who play cannot sprint between them.</summary>
    /// <param name="week">The week.</param>
    public static bool IsCrowded(GroupWeek week) => Pairs(week).Any();

    private static IEnumerable<(SeasonMatch First, SeasonMatch Next)> Pairs(GroupWeek week)
    {
        var numbers = week.Numbers;
        var days = week.Matches.OrderBy(m => m.Day).ToList();
        return days.Zip(days.Skip(1)).Where(p => p.Second.Day.DayNumber - p.First.Day.DayNumber <= ClosestDays(numbers) && p.Second.Day >= week.Monday && p.First.Day <= week.Sunday);
    }

    /// <inheritdoc/>
    public IEnumerable<WeekFinding> Look(GroupWeek week)
    {
        if (week.PlaysLittle)
        {
            yield break;
        }

        foreach (var (first, next) in Pairs(week))
        {
            yield return new("crowded", Severity.Note, $"{WeekWords.Days(next.Day.DayNumber - first.Day.DayNumber)} from {first.Day.DayOfWeek}’s match to {next.Day.DayOfWeek}’s: no hard day between for those who play",
                "Matches that close do the sprinting; say which of them counted as top speed when the minutes are entered (common practice).", first.Day < week.Monday ? null : first.Day);
        }
    }
}

/// <summary>Each thing as often as the school wishes, and not more.</summary>
public sealed class OftenEnough : IWeekRule
{
    /// <inheritdoc/>
    public IEnumerable<WeekFinding> Look(GroupWeek week)
    {
        // A week without a session is not planned yet.
        if (!week.Sessions.Any(s => s.Day >= week.Monday && s.Day <= week.Sunday))
        {
            yield break;
        }

        var counts = HowOften.Count(week);
        var few = counts.Where(c => c.IsTooFew && c.Thing.Key != "topspeed").ToList();
        if (few.Count > 0)
        {
            yield return new("few", Severity.Note, $"Less often than wished: {string.Join(", ", few.Select(c => $"{c.Thing.Name.ToLowerInvariant()} {c.Planned} of {Figures.Number(c.Least!.Value)}"))}", "Days a week by the school; the coach decides.");
        }

        foreach (var many in counts.Where(c => c.IsTooMany && c.Thing.Key != "topspeed"))
        {
            yield return new("many", Severity.Note, $"{many.Thing.Name} on {WeekWords.Days(many.Planned)}, at most {Figures.Number(many.Most!.Value)} wished", many.Thing.MostKey is { } key ? week.School.Of(key).Reason : "Your own wish.");
        }
    }
}
