using InchBurst.Core.Check;

namespace InchBurst.Core.Season;

/// <summary>A change that makes a finding about a week go away.</summary>
/// <param name="Label">What it does, in a coach's words.</param>
public sealed record WeekMove(string Label)
{
    /// <summary>Session it changes, or null.</summary>
    public int? SessionId { get; init; }

    /// <summary>Day the session goes to, or null.</summary>
    public DateOnly? To { get; init; }

    /// <summary>A line of shorthand that is added to the session, or null.</summary>
    public string? AddLine { get; init; }

    /// <summary>True when the session is taken out.</summary>
    public bool TakesOut { get; init; }

    /// <summary>Match that is to count as top speed for the athletes of the finding, or null.</summary>
    public int? MatchId { get; init; }

    /// <summary>Day for which a session is suggested, or null.</summary>
    public DateOnly? SuggestOn { get; init; }
}

/// <summary>Something a week shows when it is read by a rule.</summary>
/// <param name="Rule">Short name of the rule.</param>
/// <param name="Severity">Its weight.</param>
/// <param name="Said">The finding in a coach's words.</param>
/// <param name="Why">The reason, with its number and where that comes from.</param>
/// <param name="Day">Day it is about, or null for the week.</param>
public sealed record WeekFinding(string Rule, Severity Severity, string Said, string Why, DateOnly? Day = null)
{
    /// <summary>One-tap moves; may be empty.</summary>
    public IReadOnlyList<WeekMove> Moves { get; init; } = [];

    /// <summary>Numbers of the athletes it is about; empty for the group.</summary>
    public IReadOnlyList<int> Athletes { get; init; } = [];
}

/// <summary>One rule about a week.</summary>
public interface IWeekRule
{
    /// <summary>What the rule finds; nothing when the week is well by it.</summary>
    /// <param name="week">The week.</param>
    IEnumerable<WeekFinding> Look(GroupWeek week);
}

/// <summary>A rule that a suggested week never breaks. It looks at a day and at what lies before it, so that a search can leave a path as soon as it is broken.</summary>
public abstract class DayRule : IWeekRule
{
    /// <summary>True when what stands on a day breaks the rule.</summary>
    /// <param name="grid">The days.</param>
    /// <param name="numbers">Numbers of the school.</param>
    /// <param name="day">Day, 0 for Monday.</param>
    public abstract bool Breaks(DayGrid grid, WeekNumbers numbers, int day);

    /// <summary>Short name.</summary>
    public abstract string Key { get; }

    /// <summary>Why the rule keeps work off a day, in a few words.</summary>
    /// <param name="grid">The days.</param>
    /// <param name="numbers">Numbers of the school.</param>
    /// <param name="day">Day, 0 for Monday.</param>
    public abstract string Keeps(DayGrid grid, WeekNumbers numbers, int day);

    /// <summary>The finding for a day that breaks the rule, without its moves.</summary>
    /// <param name="week">The week.</param>
    /// <param name="grid">Its days.</param>
    /// <param name="day">Day, 0 for Monday.</param>
    protected abstract WeekFinding Say(GroupWeek week, DayGrid grid, int day);

    /// <inheritdoc/>
    public IEnumerable<WeekFinding> Look(GroupWeek week)
    {
        var (grid, numbers) = (week.Grid(), week.Numbers);
        for (var day = 0; day < 7; day++)
        {
            if (Breaks(grid, numbers, day))
            {
                yield return Say(week, grid, day) with { Moves = WeekMoves.Off(week, week.Monday.AddDays(day)) };
            }
        }
    }

    /// <summary>Names of the sessions of a day.</summary>
    /// <param name="week">The week.</param>
    /// <param name="day">Day, 0 for Monday.</param>
    protected static string Names(GroupWeek week, int day) => string.Join(" and ", week.On(week.Monday.AddDays(day)).Select(s => s.Name));

    /// <summary>A day in words.</summary>
    /// <param name="week">The week.</param>
    /// <param name="day">Day, 0 for Monday.</param>
    protected static string DayName(GroupWeek week, int day) => week.Monday.AddDays(day).DayOfWeek.ToString();
}

/// <summary>All rules about a week.</summary>
public static class WeekRules
{
    /// <summary>Rules a suggested week never breaks.</summary>
    public static IReadOnlyList<DayRule> Days { get; } =
        [new ClosedDaysStayFree(), new NothingHardBeforeAMatch(), new RecoveryAfterAMatch(), new HardDaysApart(), new TopSpeedNotTooOften(), new NotTooManySessions(), new YoungNotTooOften(), new HardMetresGrowSlowly()];

    /// <summary>The rules in the order they are looked at.</summary>
    public static IReadOnlyList<IWeekRule> All { get; } =
        [.. Days, new TopSpeedInTime(), new NobodyMissed(), new BackInSteps(), new PrimerBeforeAMatch(), new TopUpAfterAMatch(), new CrowdedWeek(), new OftenEnough()];

    /// <summary>Everything the rules find, the gravest first.</summary>
    /// <param name="week">The week.</param>
    public static IReadOnlyList<WeekFinding> Judge(GroupWeek week) => [.. All.SelectMany(r => r.Look(week)).OrderBy(f => f.Severity).ThenBy(f => f.Day)];

    /// <summary>The first rule that what stands on a day breaks, or null.</summary>
    /// <param name="grid">The days.</param>
    /// <param name="numbers">Numbers of the school.</param>
    /// <param name="day">Day, 0 for Monday.</param>
    public static DayRule? Broken(DayGrid grid, WeekNumbers numbers, int day)
    {
        foreach (var rule in Days)
        {
            if (rule.Breaks(grid, numbers, day))
            {
                return rule;
            }
        }

        return null;
    }
}

/// <summary>Where a session could go instead.</summary>
public static class WeekMoves
{
    /// <summary>Most moves that are offered.</summary>
    public const int Most = 2;

    /// <summary>Ways to clear a day of what can be moved: to the nearest days where no rule is broken, or out of the week when there is none.</summary>
    /// <param name="week">The week.</param>
    /// <param name="day">The day to clear.</param>
    public static IReadOnlyList<WeekMove> Off(GroupWeek week, DateOnly day)
    {
        var moves = new List<WeekMove>();
        foreach (var session in week.On(day).Where(s => s is { IsDone: false, IsPinned: false, Dose.IsHard: true } && s.Id > 0 && day >= week.OpenFrom))
        {
            var days = Days(week, session).Take(Most).ToList();
            moves.AddRange(days.Select(to => new WeekMove($"Move {session.Name} to {to.DayOfWeek}") { SessionId = session.Id, To = to }));
            if (days.Count == 0)
            {
                moves.Add(new WeekMove($"Take {session.Name} out") { SessionId = session.Id, TakesOut = true });
            }
        }

        return moves;
    }

    /// <summary>Days of the week on which a session would break no rule, nor make a later day break one, the nearest first; days with a time and place before others.</summary>
    /// <param name="week">The week.</param>
    /// <param name="session">The session.</param>
    public static IEnumerable<DateOnly> Days(GroupWeek week, SeasonSession session)
    {
        var numbers = week.Numbers;
        int Broken(GroupWeek w)
        {
            var grid = w.Grid();
            return Enumerable.Range(0, 7).Count(d => WeekRules.Broken(grid, numbers, d) is not null);
        }

        // What is broken elsewhere is not this session's matter.
        var without = Broken(week.With(session, null));
        return week.Days.Where(d => d != session.Day && d >= week.OpenFrom && !week.On(d).Any() && Broken(week.With(session, d)) <= without)
            .OrderByDescending(d => week.Slots.Count == 0 || week.Slots.Any(s => s.Day == d)).ThenBy(d => Math.Abs(d.DayNumber - session.Day.DayNumber));
    }
}
