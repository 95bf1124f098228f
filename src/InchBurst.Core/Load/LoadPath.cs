using System.Globalization;
using InchBurst.Core.Units;

namespace InchBurst.Core.Load;

/// <summary>A week of the way from heavy to free.</summary>
/// <param name="Week">Week, from 1.</param>
/// <param name="Aim">What it is run for; null for free running.</param>
/// <param name="Decrement">Percent slower than free.</param>
public sealed record LoadWeek(int Week, LoadAim? Aim, double Decrement)
{
    /// <summary>What a coach calls it.</summary>
    public string Name => Aim?.Name ?? "Free";
}

/// <summary>A day with loads: its heaviest, as it was measured.</summary>
/// <param name="Day">The day.</param>
/// <param name="Kilograms">Load, kg.</param>
/// <param name="Decrement">Percent slower than free, measured.</param>
/// <param name="IsTest">True for a load test, which belongs to the way but is not what the next load is stepped from.</param>
public sealed record LoadDay(DateOnly Day, double Kilograms, double Decrement, bool IsTest = false);

/// <summary>The next load.</summary>
/// <param name="Week">Week of the way it falls in.</param>
/// <param name="Kilograms">The load, kg; 0 for free running.</param>
/// <param name="IsCapped">True when the way would want more than a step allows.</param>
/// <param name="Words">Why, in a coach's words.</param>
public sealed record LoadProposal(LoadWeek Week, double Kilograms, bool IsCapped, string Words);

/// <summary>How loads go over weeks: heavy to light to free, or light and held, as the school has it (common practice).</summary>
/// <param name="Weeks">The weeks in order; one alone where the load is held.</param>
/// <param name="IsHeld">True where the load is held light.</param>
public sealed record LoadPath(IReadOnlyList<LoadWeek> Weeks, bool IsHeld)
{
    /// <summary>After so many days without a load the way begins anew (common practice).</summary>
    public const int GapDays = 21;

    // Less is within the scatter of gates and runner, and says nothing of how load and slowing go together.
    private const double LeastTold = 3;

    /// <summary>The way of a school.</summary>
    /// <param name="heaviest">Most percent slower that the school pulls.</param>
    /// <param name="bracket">Most percent that a load for top-speed work may change speed.</param>
    /// <param name="weeks">Weeks from the heaviest load to free running; 0 holds the load light.</param>
    /// <param name="isYoung">True for the young, who pull light loads only.</param>
    public static LoadPath Of(double heaviest, double bracket, double weeks, bool isYoung = false)
    {
        var light = LoadAim.All[0];
        if (weeks < 1 || isYoung)
        {
            return new([new(1, light, light.Taken(heaviest, bracket))], true);
        }

        List<LoadAim?> all = [.. LoadAim.Offered(heaviest).Reverse(), null];
        var count = (int)Math.Round(weeks);
        return new([.. Enumerable.Range(0, count).Select(i => all[i * all.Count / count] is var aim && aim is null ? new LoadWeek(i + 1, null, 0) : new LoadWeek(i + 1, aim, aim.Taken(heaviest, bracket)))], false);
    }

    /// <summary>Days of the way that is under way on a day. It begins anew after a gap of more than <see cref="GapDays"/>, and with the first load after its last week.</summary>
    /// <param name="days">Days with loads, in any order.</param>
    /// <param name="today">The day.</param>
    public IReadOnlyList<LoadDay> Since(IEnumerable<LoadDay> days, DateOnly today)
    {
        var own = new List<LoadDay>();
        bool IsOver(DateOnly day) => own.Count > 0 && (day.DayNumber - own[^1].Day.DayNumber > GapDays || (!IsHeld && day.DayNumber - own[0].Day.DayNumber >= 7 * Weeks.Count));
        foreach (var day in days.Where(d => d.Day <= today).OrderBy(d => d.Day))
        {
            if (IsOver(day.Day))
            {
                own.Clear();
            }

            own.Add(day);
        }

        return IsOver(today) ? [] : own;
    }

    /// <summary>The week a day falls in.</summary>
    /// <param name="days">Days of this way, the first first.</param>
    /// <param name="today">The day.</param>
    public LoadWeek WeekAt(IReadOnlyList<LoadDay> days, DateOnly today) => Weeks[days.Count == 0 ? 0 : Math.Min(Weeks.Count - 1, (today.DayNumber - days[0].Day.DayNumber) / 7)];

    /// <summary>The next load of an athlete: what the week wants, worked out from what was measured, and never more than <see cref="LoadedTime.MostStep"/> above the last.</summary>
    /// <param name="known">What is known of the athlete.</param>
    /// <param name="days">Days with loads, in any order.</param>
    /// <param name="day">The day it is for.</param>
    /// <param name="mass">What masses are read in.</param>
    public LoadProposal Next(LoadKnown known, IEnumerable<LoadDay> days, DateOnly day, MassReading mass)
    {
        var own = Since(days, day);
        var week = WeekAt(own, day);
        if (week.Aim is null)
        {
            return new(week, 0, false, "The way ends with free running: no load today.");
        }

        string Text(double kilograms) => Measures.Text(new(MeasureKind.Load, kilograms), DistanceUnit.Metre, mass);
        var (percent, last) = (Figures.Number(week.Decrement), own.LastOrDefault(d => !d.IsTest));
        if (last is null)
        {
            return new(week, known.Best(week.Decrement).Load.Kilograms, false, $"The first of this way: the load for −{percent}%.");
        }

        var told = $"On {last.Day.ToString("d MMM", CultureInfo.InvariantCulture)} {Text(last.Kilograms)} took {Figures.Number(last.Decrement)}% off.";
        var wanted = known.Line is null && last.Decrement > LeastTold ? last.Kilograms * week.Decrement / last.Decrement : known.Best(week.Decrement).Load.Kilograms;
        var most = last.Kilograms * (1 + LoadedTime.MostStep);
        return wanted > most
            ? new(week, most, true, $"{told} −{percent}% would take {Text(wanted)}; a step is at most {Figures.Number(LoadedTime.MostStep * 100)}%.")
            : new(week, wanted, false, $"{told} This is the load for −{percent}%.");
    }
}
