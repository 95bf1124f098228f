using InchBurst.Core.Check;
using InchBurst.Core.Units;

namespace InchBurst.Core.Season;

/// <summary>Days off and camps hold no session; in exam days nothing is hard.</summary>
public sealed class ClosedDaysStayFree : DayRule
{
    /// <inheritdoc/>
    public override string Key => "closed";

    /// <inheritdoc/>
    public override bool Breaks(DayGrid grid, WeekNumbers numbers, int day) => grid.Closed(day) is { } closed && (closed.IsFree ? grid[day].Sessions > 0 : grid[day].IsHard);

    /// <inheritdoc/>
    public override string Keeps(DayGrid grid, WeekNumbers numbers, int day) => grid.Closed(day)!.Title;

    /// <inheritdoc/>
    protected override WeekFinding Say(GroupWeek week, DayGrid grid, int day) => new(
        Key, Severity.Mind, $"{Names(week, day)} lies on {DayName(week, day)}: {grid.Closed(day)!.Title}",
        grid.Closed(day)!.IsFree ? "The calendar says the squad does not train then." : "The calendar says nothing hard then.", week.Monday.AddDays(day));
}

/// <summary>Nothing hard in the last days before a match, but for a primer; nothing hard on its day.</summary>
public sealed class NothingHardBeforeAMatch : DayRule
{
    /// <inheritdoc/>
    public override string Key => "clear";

    /// <inheritdoc/>
    public override bool Breaks(DayGrid grid, WeekNumbers numbers, int day) => grid.DaysTo(day) <= numbers.Clear && grid[day].IsHard && (grid.DaysTo(day) == 0 || !grid[day].IsPrimer(numbers.Primer));

    /// <inheritdoc/>
    public override string Keeps(DayGrid grid, WeekNumbers numbers, int day) => grid.DaysTo(day) == 0 ? "match day" : $"{WeekWords.Days(grid.DaysTo(day))} before the match";

    /// <inheritdoc/>
    protected override WeekFinding Say(GroupWeek week, DayGrid grid, int day)
    {
        var (to, dose) = (grid.DaysTo(day), grid[day]);
        var what = dose.ReachesTopSpeed ? "top speed" : dose.HasHeavy ? "a heavy load" : $"{Figures.Number(dose.HardMetres)} m at 90% and more";
        return new(Key, to <= 1 ? Severity.Stop : Severity.Mind, $"{Names(week, day)}: {what} {(to == 0 ? "on match day" : WeekWords.Days(to) + " before the match")}",
            $"Nothing hard in the last {WeekWords.Days(week.Numbers.Clear)}; a primer has at most {Figures.Number(week.Numbers.Primer)} m of short free starts. {week.School.Of("week.clear").Reason}", week.Monday.AddDays(day));
    }
}

/// <summary>After a match, those who played recover.</summary>
public sealed class RecoveryAfterAMatch : DayRule
{
    /// <inheritdoc/>
    public override string Key => "after";

    /// <inheritdoc/>
    public override bool Breaks(DayGrid grid, WeekNumbers numbers, int day) => !grid.Week.PlaysLittle && grid.DaysSince(day) > 0 && grid.DaysSince(day) <= numbers.After && grid[day].IsHard;

    /// <inheritdoc/>
    public override string Keeps(DayGrid grid, WeekNumbers numbers, int day) => $"{WeekWords.Days(grid.DaysSince(day))} after the match";

    /// <inheritdoc/>
    protected override WeekFinding Say(GroupWeek week, DayGrid grid, int day) => new(
        Key, Severity.Mind, $"{Names(week, day)} is hard {WeekWords.Days(grid.DaysSince(day))} after the match", $"Those who played recover first. {week.School.Of("week.after").Reason}", week.Monday.AddDays(day));
}

/// <summary>Hard days lie apart, unless the school lets acceleration follow acceleration; top speed never follows top speed.</summary>
public sealed class HardDaysApart : DayRule
{
    /// <inheritdoc/>
    public override string Key => "apart";

    /// <inheritdoc/>
    public override bool Breaks(DayGrid grid, WeekNumbers numbers, int day) => Clash(grid, numbers, day) is not null;

    private static int? Clash(DayGrid grid, WeekNumbers numbers, int day)
    {
        var dose = grid[day];
        if (!dose.IsHard || dose.IsPrimer(numbers.Primer))
        {
            return null;
        }

        for (var back = 1; back <= Math.Max(1, numbers.ApartDays - 1) && day - back >= -DayGrid.Before; back++)
        {
            var before = grid[day - back];
            if (!before.IsHard || before.IsPrimer(numbers.Primer))
            {
                continue;
            }

            var twiceTopSpeed = dose.ReachesTopSpeed && before.ReachesTopSpeed;
            var allowed = numbers.BackToBack && !dose.ReachesTopSpeed && !before.ReachesTopSpeed;
            if ((back == 1 && twiceTopSpeed) || (back < numbers.ApartDays && !allowed))
            {
                return back;
            }
        }

        return null;
    }

    /// <inheritdoc/>
    public override string Keeps(DayGrid grid, WeekNumbers numbers, int day) => $"hard {WeekWords.Days(Clash(grid, numbers, day)!.Value)} before";

    /// <inheritdoc/>
    protected override WeekFinding Say(GroupWeek week, DayGrid grid, int day)
    {
        var back = Clash(grid, week.Numbers, day)!.Value;
        var both = grid[day].ReachesTopSpeed && grid[day - back].ReachesTopSpeed;
        return new(Key, Severity.Mind, both ? $"Top speed on {DayName(week, day - back)} and again on {DayName(week, day)}" : $"{Names(week, day)} comes {WeekWords.Days(back)} after {Names(week, day - back)}; both are hard",
            both && back == 1 ? "Never two top-speed days in a row (common practice)." : $"{Figures.Number(week.School["week.apart"])} hours between. {week.School.Of("week.apart").Reason}", week.Monday.AddDays(day));
    }
}

/// <summary>Top speed is trained so many times a week and no more.</summary>
public sealed class TopSpeedNotTooOften : DayRule
{
    /// <inheritdoc/>
    public override string Key => "topspeed";

    /// <inheritdoc/>
    public override bool Breaks(DayGrid grid, WeekNumbers numbers, int day) => grid[day].ReachesTopSpeed && WeekWords.Count(grid, day, d => d.ReachesTopSpeed) > numbers.MostTopSpeed;

    /// <inheritdoc/>
    public override string Keeps(DayGrid grid, WeekNumbers numbers, int day) => $"top speed {WeekWords.Times(numbers.MostTopSpeed)} a week is enough";

    /// <inheritdoc/>
    protected override WeekFinding Say(GroupWeek week, DayGrid grid, int day) => new(
        Key, Severity.Mind, $"Top speed {WeekWords.Times(WeekWords.Count(grid, day, d => d.ReachesTopSpeed))} this week by {DayName(week, day)}", $"At most {WeekWords.Times(week.Numbers.MostTopSpeed)}. {week.School.Of("week.topspeed").Reason}", week.Monday.AddDays(day));
}

/// <summary>So many sprint days a week and no more; primers are not counted.</summary>
public sealed class NotTooManySessions : DayRule
{
    /// <inheritdoc/>
    public override string Key => "sessions";

    private static bool Counts(DayDose dose, WeekNumbers numbers) => dose.HasFullSprint && !dose.IsPrimer(numbers.Primer);

    /// <inheritdoc/>
    public override bool Breaks(DayGrid grid, WeekNumbers numbers, int day) => Counts(grid[day], numbers) && WeekWords.Count(grid, day, d => Counts(d, numbers)) > numbers.MostSessions;

    /// <inheritdoc/>
    public override string Keeps(DayGrid grid, WeekNumbers numbers, int day) => $"{WeekWords.Days(numbers.MostSessions)} of sprinting a week are enough";

    /// <inheritdoc/>
    protected override WeekFinding Say(GroupWeek week, DayGrid grid, int day) => new(
        Key, Severity.Mind, $"{WeekWords.Count(grid, day, d => Counts(d, week.Numbers))} sprint days this week by {DayName(week, day)}", $"At most {week.Numbers.MostSessions}. {week.School.Of("week.sessions").Reason}", week.Monday.AddDays(day));
}

/// <summary>The young have fewer hard days.</summary>
public sealed class YoungNotTooOften : DayRule
{
    /// <inheritdoc/>
    public override string Key => "young";

    /// <inheritdoc/>
    public override bool Breaks(DayGrid grid, WeekNumbers numbers, int day) => grid.HasYoung && grid[day].IsHard && WeekWords.Count(grid, day, d => d.IsHard) > numbers.MostYoung;

    /// <inheritdoc/>
    public override string Keeps(DayGrid grid, WeekNumbers numbers, int day) => $"the young have {WeekWords.Days(numbers.MostYoung)} that are hard";

    /// <inheritdoc/>
    protected override WeekFinding Say(GroupWeek week, DayGrid grid, int day) => new(
        Key, Severity.Mind, $"{WeekWords.Count(grid, day, d => d.IsHard)} hard days by {DayName(week, day)}, and {string.Join(", ", week.Athletes.Where(a => a.Age < Demand.Limits.YoungYears).Select(a => a.Name).Take(3))} {(week.Athletes.Count(a => a.Age < Demand.Limits.YoungYears) > 1 ? "are" : "is")} under {Demand.Limits.YoungYears}",
        $"At most {WeekWords.Days(week.Numbers.MostYoung)}. {week.School.Of("week.young").Reason}", week.Monday.AddDays(day));
}

/// <summary>Hard metres of a week grow slowly against the four weeks before.</summary>
public sealed class HardMetresGrowSlowly : DayRule
{
    /// <inheritdoc/>
    public override string Key => "growth";

    /// <summary>Most hard metres of the week, m.</summary>
    /// <param name="grid">The days.</param>
    /// <param name="numbers">Numbers of the school.</param>
    public static double Most(DayGrid grid, WeekNumbers numbers) => Math.Max(WeekNumbers.FreeMetres, numbers.Growth * grid.UsualHardMetres);

    private static double Sum(DayGrid grid, int day)
    {
        double sum = 0;
        for (var d = WeekWords.Monday(day); d <= day; d++)
        {
            sum += grid[d].HardMetres;
        }

        return sum;
    }

    /// <inheritdoc/>
    public override bool Breaks(DayGrid grid, WeekNumbers numbers, int day) => grid[day].HardMetres > 0 && Sum(grid, day) > Most(grid, numbers) + 1e-6;

    /// <inheritdoc/>
    public override string Keeps(DayGrid grid, WeekNumbers numbers, int day) => $"more than {Figures.Number(Most(grid, numbers))} hard metres a week";

    /// <inheritdoc/>
    protected override WeekFinding Say(GroupWeek week, DayGrid grid, int day) => new(
        Key, Severity.Mind, $"{Figures.Number(Sum(grid, day))} hard metres by {DayName(week, day)}, {(grid.UsualHardMetres > 0 ? $"{Figures.Number(Sum(grid, day) / grid.UsualHardMetres, 1)} times the month's {Figures.Number(grid.UsualHardMetres)}" : "after a month with none")}",
        $"At most {Figures.Number(week.Numbers.Growth, 2)} times the mean of the four weeks before; under {Figures.Number(WeekNumbers.FreeMetres)} m nobody minds. {week.School.Of("week.growth").Reason}", week.Monday.AddDays(day));
}

/// <summary>Words and counts the rules share.</summary>
internal static class WeekWords
{
    /// <summary>Days in words.</summary>
    public static string Days(int days) => days == 1 ? "1 day" : $"{days} days";

    /// <summary>Times in words.</summary>
    public static string Times(int times) => times switch { 1 => "once", 2 => "twice", _ => $"{times} times" };

    /// <summary>Monday of a day's week.</summary>
    public static int Monday(int day) => day - (((day % 7) + 7) % 7);

    /// <summary>Days of the week up to and with a day that are of a kind.</summary>
    public static int Count(DayGrid grid, int day, Func<DayDose, bool> which)
    {
        var count = 0;
        for (var d = Monday(day); d <= day; d++)
        {
            count += which(grid[d]) ? 1 : 0;
        }

        return count;
    }

    /// <summary>Names of athletes, the first few and how many more.</summary>
    public static string Names(IReadOnlyList<SeasonAthlete> athletes)
    {
        var names = athletes.Take(3).Select(a => a.Name).ToList();
        var more = athletes.Count - names.Count;
        return more > 0 ? $"{string.Join(", ", names)} and {more} more" : names.Count > 1 ? $"{string.Join(", ", names.SkipLast(1))} and {names[^1]}" : names.FirstOrDefault() ?? "";
    }
}
