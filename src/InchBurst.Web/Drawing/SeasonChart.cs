using InchBurst.Core.Plan;
using InchBurst.Core.Season;
using InchBurst.Data;

namespace InchBurst.Web.Drawing;

/// <summary>A season on one scale of weeks: bars of metres with what was planned, hard metres with the month before, athletes at top speed.</summary>
public sealed record SeasonChart(DateOnly Monday, int Weeks, DateOnly Today, double Top, double HardTop)
{
    /// <summary>Width of the names, px.</summary>
    public const double Gutter = 150;

    /// <summary>Width of all weeks, px.</summary>
    public const double Width = 864;

    /// <summary>Height of the bars of metres, px.</summary>
    public const double Bars = 128;

    /// <summary>Height of the bars of hard metres, px.</summary>
    public const double Hard = 46;

    /// <summary>Order of the stack, acceleration at the foot.</summary>
    public static IReadOnlyList<WorkKind> Kinds { get; } = [WorkKind.Acceleration, WorkKind.MaxVelocity, WorkKind.Resisted, WorkKind.Assisted, WorkKind.Turn, WorkKind.Conditioning];

    /// <summary>Width of a week, px.</summary>
    public double Week => Width / Weeks;

    /// <summary>Where a day begins, px.</summary>
    /// <param name="day">The day.</param>
    public double X(DateOnly day) => Gutter + ((day.DayNumber - Monday.DayNumber) * Week / 7);

    /// <summary>Height of metres in a bar, px.</summary>
    /// <param name="metres">Metres.</param>
    public double Y(double metres) => Math.Min(Bars, metres * Bars / Top);

    /// <summary>Height of hard metres, px.</summary>
    /// <param name="metres">Metres.</param>
    public double HardY(double metres) => Math.Min(Hard, metres * Hard / HardTop);

    /// <summary>Lays a season out.</summary>
    /// <param name="season">The season.</param>
    /// <param name="monday">Its first Monday.</param>
    /// <param name="today">Today.</param>
    public static SeasonChart Lay(SquadSeason season, DateOnly monday, DateOnly today)
    {
        double Round(double most) => most <= 100 ? 100 : Math.Ceiling(most / 200) * 200;
        return new(monday, season.Weeks.Count, today, Round(season.Weeks.Select(w => Math.Max(w.Planned, w.Done.Where(d => Kinds.Contains(d.Key)).Sum(d => d.Value))).DefaultIfEmpty(0).Max()), Round(season.Weeks.Select(w => Math.Max(w.HardPlanned, w.HardDone)).DefaultIfEmpty(0).Max()));
    }

    /// <summary>The stack of a week's done metres from the foot up, as kind, foot and top in metres.</summary>
    /// <param name="week">The week.</param>
    public static IEnumerable<(WorkKind Kind, double From, double To)> Stack(SeasonWeek week)
    {
        var at = 0.0;
        foreach (var kind in Kinds)
        {
            if (week.Done.TryGetValue(kind, out var metres) && metres > 0)
            {
                yield return (kind, at, at + metres);
                at += metres;
            }
        }
    }

    /// <summary>Stretches of an athlete's row: lines of the days one exposure lasts, and boxes of the days beyond eight.</summary>
    /// <param name="days">Days reached, in order.</param>
    /// <param name="every">Days that one lasts.</param>
    public IReadOnlyList<(DateOnly From, DateOnly To, int Days, bool IsGap)> Row(IReadOnlyList<DateOnly> days, int every)
    {
        var found = new List<(DateOnly, DateOnly, int, bool)>();
        foreach (var (day, next) in days.Zip(days.Skip(1).Append(Today)))
        {
            var gap = next.DayNumber - day.DayNumber;
            if (gap <= every)
            {
                found.Add((day, next, gap, false));
            }
            else
            {
                found.Add((day, day.AddDays(every), gap, false));
                if (gap >= every + 2)
                {
                    found.Add((day.AddDays(every), next, gap, true));
                }
            }
        }

        return [.. found.Where(f => f.Item2 > Monday)];
    }
}
