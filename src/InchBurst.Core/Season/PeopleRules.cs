using InchBurst.Core.Check;
using InchBurst.Core.Units;

namespace InchBurst.Core.Season;

/// <summary>Nobody who is healthy goes longer than the school's days without top speed.</summary>
public sealed class TopSpeedInTime : IWeekRule
{
    /// <summary>The line that gives one more athlete an exposure: one flying run.</summary>
    public const string OneFly = "1 x 20 build + 10 fly + 20 m slow @100% rest 4:00";

    /// <inheritdoc/>
    public IEnumerable<WeekFinding> Look(GroupWeek week)
    {
        var every = week.Numbers.Every;
        var first = week.OpenFrom > week.Monday ? week.OpenFrom : week.Monday;
        if (first > week.Sunday)
        {
            yield break;
        }

        // By the first day on which each is over the limit.
        var late = week.Athletes.Where(a => a.IsHealthy)
            .Select(a => (Athlete: a, Day: Enumerable.Range(0, week.Sunday.DayNumber - first.DayNumber + 1).Select(i => first.AddDays(i)).Cast<DateOnly?>().FirstOrDefault(d => IsOver(week, a, d!.Value, every))))
            .Where(x => x.Day is not null).GroupBy(x => (Now: x.Day == first, Day: x.Day!.Value)).OrderBy(g => g.Key.Day);
        foreach (var group in late)
        {
            var who = group.Select(x => x.Athlete).OrderBy(a => a.LastTopSpeed).ToList();
            var planned = week.Sessions.Where(s => s is { IsDone: false, Dose.ReachesTopSpeed: true } && s.Day > group.Key.Day && s.Day <= week.Sunday).Select(s => (DateOnly?)s.Day).Min();
            var words = group.Key.Now
                ? who.Count == 1 && who[0].LastTopSpeed is { } last ? $"{who[0].Name} has gone {WeekWords.Days(first.DayNumber - last.DayNumber)} without top speed"
                    : who.All(a => a.LastTopSpeed is null) ? $"{WeekWords.Names(who)} {(who.Count == 1 ? "has" : "have")} nothing at top speed yet" : $"{WeekWords.Names(who)} are over {WeekWords.Days(every)} without top speed"
                : $"{WeekWords.Names(who)} {(who.Count == 1 ? "goes" : "go")} over {WeekWords.Days(every)} on {group.Key.Day.DayOfWeek}";
            yield return new("due", group.Key.Now && planned is null ? Severity.Stop : Severity.Mind, $"{words}{(planned is { } p ? $"; {p.DayOfWeek} comes late" : "; none is planned")}",
                $"Top speed at least every {WeekWords.Days(every)}. {week.School.Of("week.every").Reason}", group.Key.Day)
            {
                Athletes = [.. who.Select(a => a.Id)],
                Moves = [.. Moves(week, who, group.Key.Day, first).Take(WeekMoves.Most)],
            };
        }
    }

    private static bool IsOver(GroupWeek week, SeasonAthlete athlete, DateOnly day, int every) => week.LastBy(athlete, day) is not { } last || day.DayNumber - last.DayNumber > every;

    private static IEnumerable<WeekMove> Moves(GroupWeek week, IReadOnlyList<SeasonAthlete> who, DateOnly day, DateOnly first)
    {
        var (grid, numbers) = (week.Grid(), week.Numbers);
        var names = who.Count == week.Athletes.Count(a => a.IsHealthy) ? "" : " for " + string.Join(", ", who.Select(a => a.Name));
        var line = OneFly + names;

        // Into a session that is held anyway, before they are late if there is one; a fly there must break no rule.
        foreach (var session in week.Sessions.Where(s => s is { IsDone: false } && s.Id > 0 && s.Day >= first && s.Day <= week.Sunday && !s.Dose.ReachesTopSpeed).OrderBy(s => s.Day > day).ThenBy(s => Math.Abs(s.Day.DayNumber - day.DayNumber)))
        {
            var at = session.Day.DayNumber - week.Monday.DayNumber;
            var before = grid[at];
            grid[at] = before with { ReachesTopSpeed = true, HasFullSprint = true };
            var fits = WeekRules.Broken(grid, numbers, at) is null;
            grid[at] = before;
            if (fits)
            {
                yield return new($"One fly on {session.Day.DayOfWeek}") { SessionId = session.Id, AddLine = line };
            }
        }

        // Into a top-speed session that misses them.
        foreach (var session in week.Sessions.Where(s => s is { IsDone: false, Dose.ReachesTopSpeed: true } && s.Id > 0 && s.Day >= first && s.Day <= week.Sunday && who.Any(a => s.Missed.Contains(a.Name))))
        {
            yield return new($"A longer fly on {session.Day.DayOfWeek}") { SessionId = session.Id, AddLine = NobodyMissed.LongerFly + " for " + string.Join(", ", who.Where(a => session.Missed.Contains(a.Name)).Select(a => a.Name)) };
        }

        // A day of its own.
        var free = week.Slots.Where(s => s.Day >= first && !week.On(s.Day).Any()).Select(s => s.Day).FirstOrDefault(d =>
        {
            var at = d.DayNumber - week.Monday.DayNumber;
            var before = grid[at];
            grid[at] = DayDose.None with { ReachesTopSpeed = true, HasFullSprint = true, Sessions = 1 };
            var fits = Enumerable.Range(at, 7 - at).All(x => WeekRules.Broken(grid, numbers, x) is null);
            grid[at] = before;
            return fits;
        });
        if (free != default)
        {
            yield return new($"A top-speed session on {free.DayOfWeek}") { SuggestOn = free };
        }

        if (week.Matches.FirstOrDefault(m => m.Day >= first && m.Day <= week.Sunday) is { } match && !week.PlaysLittle)
        {
            yield return new($"Let {match.Day.DayOfWeek}’s match count") { MatchId = match.Id };
        }
    }
}

/// <summary>A top-speed session reaches everybody it is for.</summary>
public sealed class NobodyMissed : IWeekRule
{
    /// <summary>A longer run-up, for those whom a short one leaves below their top speed.</summary>
    public const string LongerFly = "1 x 35 build + 10 fly + 20 m slow @100% rest 5:00";

    /// <inheritdoc/>
    public IEnumerable<WeekFinding> Look(GroupWeek week)
    {
        foreach (var session in week.Sessions.Where(s => !s.IsDone && s.Dose.ReachesTopSpeed && s.Missed.Count > 0 && s.Day >= week.OpenFrom && s.Day >= week.Monday && s.Day <= week.Sunday))
        {
            var who = week.Athletes.Where(a => a.IsHealthy && session.Missed.Contains(a.Name)).ToList();
            if (who.Count > 0)
            {
                yield return new("missed", Severity.Note, $"{session.Name} as planned leaves {WeekWords.Names(who)} below {Figures.Number(TopSpeedClock.UsualShare * 100)}% of own top speed", "Worked out from each one's own curve. A longer run-up would do.", session.Day)
                {
                    Athletes = [.. who.Select(a => a.Id)],
                    Moves = [new($"One longer fly for {(who.Count == 1 ? who[0].Name : $"these {who.Count}")}") { SessionId = session.Id, AddLine = LongerFly + " for " + string.Join(", ", who.Select(a => a.Name)) }],
                };
            }
        }
    }
}

/// <summary>Who comes back after an absence comes back in steps.</summary>
public sealed class BackInSteps : IWeekRule
{
    /// <summary>Days without a session from which it is an absence (common practice).</summary>
    public const int AbsenceDays = 10;

    /// <summary>Most hard metres of a week for somebody who has been back for so many days, m; null when the absence is behind them.</summary>
    /// <param name="daysBack">Days since the first session back, 0 or more.</param>
    /// <param name="usual">Mean hard metres of the group's four weeks before, m.</param>
    /// <param name="numbers">Numbers of the school.</param>
    public static double? Most(int daysBack, double usual, WeekNumbers numbers) => daysBack switch
    {
        < 7 => usual * numbers.ReturnShare,
        < 14 => usual * (1 + numbers.ReturnShare) / 2,
        _ => null,
    };

    /// <inheritdoc/>
    public IEnumerable<WeekFinding> Look(GroupWeek week)
    {
        var grid = week.Grid();
        var planned = Enumerable.Range(0, 7).Sum(d => grid[d].HardMetres);
        foreach (var athlete in week.Athletes.Where(a => a.BackSince is not null))
        {
            var back = Math.Max(0, week.Sunday.DayNumber - 6 - athlete.BackSince!.Value.DayNumber);
            if (athlete.BackSince <= week.Sunday && Most(back, grid.UsualHardMetres, week.Numbers) is { } most && planned > most + 1e-6)
            {
                yield return new("steps", Severity.Mind, $"{athlete.Name} is back since {athlete.BackSince.Value.DayOfWeek} {athlete.BackSince.Value.Day}: at most {Figures.Number(most)} of the {Figures.Number(planned)} hard metres this week",
                    $"After {AbsenceDays} days and more away the first week has {Figures.Number(week.Numbers.ReturnShare * 100)}%, the second half of what is left; whoever treats the athlete decides. {week.School.Of("week.return").Reason}")
                { Athletes = [athlete.Id] };
            }
        }
    }
}
