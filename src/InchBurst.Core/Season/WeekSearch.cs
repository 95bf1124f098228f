namespace InchBurst.Core.Season;

/// <summary>A session that could stand on a day.</summary>
/// <param name="Key">Same key, same session.</param>
/// <param name="Name">What a coach calls it.</param>
/// <param name="Dose">What it asks.</param>
public sealed record WeekOption(string Key, string Name, DayDose Dose)
{
    /// <summary>True for a session that exists and can stand on one day only.</summary>
    public bool IsOnce { get; init; }

    /// <summary>Nothing.</summary>
    public static WeekOption Off { get; } = new("", "Nothing", DayDose.None);
}

/// <summary>What a week costs under the stated score; less is better, 0 is perfect.</summary>
/// <param name="Overdue">For each healthy athlete and each day beyond the school's limit without top speed, up to the first day of the next week that can make it good.</param>
/// <param name="Wishes">For each day wished of sprinting, of top speed, acceleration and resisted running that is missing.</param>
/// <param name="Metres">For sprint metres away from what the phase asks; without a phase, for hard metres away from the month's mean.</param>
/// <param name="Match">For a primer or a top-up that is missing.</param>
/// <param name="Sessions">For each session, since time is short.</param>
/// <param name="Changes">For each planned session that is changed, so that a plan changes as little as can be.</param>
public readonly record struct WeekScore(int Overdue, int Wishes, int Metres, int Match, int Sessions, int Changes)
{
    /// <summary>Price of a day over the limit for an athlete.</summary>
    public const int OverdueDay = 10;

    /// <summary>Price of a wished day that is missing.</summary>
    public const int WishedDay = 30;

    /// <summary>Metres away from what is asked that cost 1.</summary>
    public const int MetresForOne = 20;

    /// <summary>Price of a missing primer or top-up.</summary>
    public const int MissingMatchDay = 15;

    /// <summary>Price of a session.</summary>
    public const int Session = 2;

    /// <summary>Price of a planned session that is not held on its day.</summary>
    public const int Moved = 15;

    /// <summary>What is added when it is not held at all.</summary>
    public const int Dropped = 10;

    /// <summary>All of it.</summary>
    public int Total => Overdue + Wishes + Metres + Match + Sessions + Changes;

    /// <summary>The score of a week that is filled in.</summary>
    /// <param name="grid">The days.</param>
    /// <param name="numbers">Numbers of the school.</param>
    /// <param name="planned">Session planned on each of the seven days, by key; empty for none, null for a day that is no matter of the plan.</param>
    /// <param name="chosen">Session chosen for each day, by key.</param>
    public static WeekScore Of(DayGrid grid, WeekNumbers numbers, IReadOnlyList<string?> planned, IReadOnlyList<string?> chosen)
    {
        int overdue = 0, match = 0, sessions = 0, changes = 0;
        for (var day = 0; day < 7; day++)
        {
            overdue += OverdueDay * OverdueAt(grid, numbers, day);
            match += MatchAt(grid, numbers, day);
            sessions += chosen[day] is { Length: > 0 } ? Session : 0;
            changes += ChangeAt(planned[day], chosen[day]);
        }

        // What the week leaves undone is felt until the next one can make it good.
        for (var day = 7; day < grid.AheadTo; day++)
        {
            overdue += OverdueDay * OverdueAt(grid, numbers, day);
        }

        changes += Dropped * planned.Count(p => p is { Length: > 0 } && !chosen.Contains(p));
        return new(overdue, WishesOf(grid, numbers), MetresOf(grid), match, sessions, changes);
    }

    internal static int ChangeAt(string? planned, string? chosen) => planned is { Length: > 0 } && planned != chosen ? Moved : 0;

    internal static int MatchAt(DayGrid grid, WeekNumbers numbers, int day) =>
        (grid[day].Sessions == 0 && numbers.Primer > 0 && PrimerBeforeAMatch.IsWanted(grid, day)) || (!grid[day].HasFullSprint && TopUpAfterAMatch.IsWanted(grid, numbers, day)) ? MissingMatchDay : 0;

    internal static int WishesOf(DayGrid grid, WeekNumbers numbers)
    {
        int top = 0, starts = 0, resisted = 0, days = 0;
        for (var day = 0; day < 7; day++)
        {
            var dose = grid[day];
            top += dose.ReachesTopSpeed ? 1 : 0;
            starts += dose.HasStarts && !dose.IsPrimer(numbers.Primer) ? 1 : 0;
            resisted += dose.HasResisted ? 1 : 0;
            days += dose.HasFullSprint && !dose.IsPrimer(numbers.Primer) ? 1 : 0;
        }

        return WishedDay * (Math.Max(0, numbers.WishTopSpeed - top) + Math.Max(0, numbers.WishStarts - starts) + Math.Max(0, numbers.WishResisted - resisted) + Math.Max(0, numbers.WishDays + (grid.Week.PlaysLittle ? 1 : 0) - days));
    }

    internal static int MetresOf(DayGrid grid)
    {
        var asked = grid.Week.Aim is { Metres: > 0 } aim ? aim.Metres : (double?)null;
        double sum = 0;
        for (var day = 0; day < 7; day++)
        {
            sum += asked is null ? grid[day].HardMetres : grid[day].Volume.SprintMetres;
        }

        return (int)(Math.Abs(sum - (asked ?? Math.Max(WeekNumbers.FreeMetres, grid.UsualHardMetres))) / MetresForOne);
    }

    // How many of the healthy wait longer than the limit on a day: each for their own last day at top speed, before the week or in it.
    internal static int OverdueAt(DayGrid grid, WeekNumbers numbers, int day)
    {
        // Where everybody has the same days, one of them within the limit is enough.
        var apart = false;
        for (var d = grid.OpenFrom; d <= day; d++)
        {
            apart |= grid[d].Reachers is not null;
        }

        return apart ? OverdueOneByOne(grid, numbers, day) : OverdueTogether(grid, numbers, day);
    }

    private static int OverdueOneByOne(DayGrid grid, WeekNumbers numbers, int day)
    {
        var count = 0;
        for (var i = 0; i < grid.Healthy.Count; i++)
        {
            var last = grid.LastTopSpeed[i];
            for (var d = grid.OpenFrom; d <= day; d++)
            {
                last = grid[d].Takes(grid.Healthy[i]) ? Math.Max(last, d) : last;
            }

            count += day - last > numbers.Every ? 1 : 0;
        }

        return count;
    }

    private static int OverdueTogether(DayGrid grid, WeekNumbers numbers, int day)
    {
        for (var back = 0; back <= day && back <= numbers.Every; back++)
        {
            if (grid[day - back].ReachesTopSpeed && day - back >= grid.OpenFrom)
            {
                return 0;
            }
        }

        var planned = -DayGrid.Before;
        for (var d = grid.OpenFrom; d <= day; d++)
        {
            planned = grid[d].ReachesTopSpeed ? d : planned;
        }

        var count = 0;
        foreach (var last in grid.LastTopSpeed)
        {
            count += day - Math.Max(last, planned) > numbers.Every ? 1 : 0;
        }

        return count;
    }
}

/// <summary>A week that was searched for.</summary>
/// <param name="Chosen">What stands on each of the seven days; null where the day is not the search's.</param>
/// <param name="Score">What it costs.</param>
/// <param name="Looked">Weeks looked at until their end.</param>
public sealed record FoundWeek(IReadOnlyList<WeekOption?> Chosen, WeekScore Score, long Looked);

/// <summary>
/// Finds the best week: all ways to fill the open days are gone through depth first; a way is left as soon as it breaks a rule or costs as much as the
/// best one found, which loses nothing, since costs only grow along it. So no week that keeps the rules costs less.
/// </summary>
public static class WeekSearch
{
    /// <summary>The best week, or null when what is pinned breaks a rule already and nothing can be chosen.</summary>
    /// <param name="week">The week; sessions that are done or pinned stay, others of open days are looked on as planned and may change.</param>
    /// <param name="options">What could stand on each of the seven days, with nothing always among it; empty for a day that stays as it is.</param>
    /// <param name="planned">What is planned on each open day by key; empty for none, null for days that stay.</param>
    public static FoundWeek? Find(GroupWeek week, IReadOnlyList<IReadOnlyList<WeekOption>> options, IReadOnlyList<string?> planned)
    {
        var (grid, numbers) = (week.Grid(), week.Numbers);
        var chosen = new WeekOption?[7];
        var keys = new string?[7];
        var best = (Total: int.MaxValue, Chosen: Array.Empty<WeekOption?>(), Score: default(WeekScore));
        long looked = 0;
        for (var day = 0; day < 7; day++)
        {
            grid[day] = options[day].Count > 0 ? DayDose.None : grid[day];
        }

        var staying = Staying(grid, numbers, d => options[d].Count > 0);

        void Go(int day, int cost)
        {
            if (cost >= best.Total)
            {
                return;
            }

            if (day == 7)
            {
                looked++;
                var score = WeekScore.Of(grid, numbers, planned, keys);
                if (score.Total < best.Total)
                {
                    best = (score.Total, [.. chosen], score);
                }

                return;
            }

            int Step() => (WeekScore.OverdueDay * WeekScore.OverdueAt(grid, numbers, day)) + WeekScore.MatchAt(grid, numbers, day) + (keys[day] is { Length: > 0 } ? WeekScore.Session : 0) + WeekScore.ChangeAt(planned[day], keys[day]);
            if (options[day].Count == 0)
            {
                // What stays may break a rule; that is said elsewhere and is no reason to suggest nothing.
                (chosen[day], keys[day]) = (null, null);
                Go(day + 1, cost + Step());
                return;
            }

            foreach (var option in options[day])
            {
                grid[day] = option.Dose;
                if ((option.IsOnce && Array.IndexOf(keys, option.Key, 0, day) >= 0) || WeekRules.Broken(grid, numbers, day) is not null || BreaksLater(grid, numbers, staying, day))
                {
                    continue;
                }

                (chosen[day], keys[day]) = (option, option.Key);
                Go(day + 1, cost + Step());
            }

            (grid[day], chosen[day], keys[day]) = (DayDose.None, null, null);
        }

        Go(0, 0);
        return best.Total == int.MaxValue ? null : new(best.Chosen, best.Score, looked);
    }

    // A day that stays must not be broken by what is chosen before it.
    private static bool BreaksLater(DayGrid grid, WeekNumbers numbers, IReadOnlyList<int> staying, int day)
    {
        if (grid[day].IsHard)
        {
            foreach (var later in staying)
            {
                if (later > day && WeekRules.Broken(grid, numbers, later) is not null)
                {
                    return true;
                }
            }
        }

        return false;
    }

    /// <summary>Days that stay as they are, up to where what is chosen can still be felt, and that no rule is against while nothing is chosen.</summary>
    /// <param name="grid">The days, with nothing on those that are open.</param>
    /// <param name="numbers">Numbers of the school.</param>
    /// <param name="isOpen">Whether a day of the week is open.</param>
    public static IReadOnlyList<int> Staying(DayGrid grid, WeekNumbers numbers, Func<int, bool> isOpen) =>
        [.. Enumerable.Range(0, 6 + Math.Max(2, numbers.ApartDays)).Where(d => (d >= 7 || !isOpen(d)) && grid[d].Sessions > 0 && WeekRules.Broken(grid, numbers, d) is null)];
}
