using MathNet.Numerics.Statistics;

namespace InchBurst.Core.Progress;

/// <summary>A time of an athlete over a stretch of a trial, or something measured.</summary>
/// <param name="Athlete">Number of the athlete.</param>
/// <param name="Key">Key of the trial, or of what was measured: equal keys compare.</param>
/// <param name="From">Begin of the stretch in mm; 0 is the start.</param>
/// <param name="To">End of it in mm; 0 for what is measured.</param>
/// <param name="Day">The day.</param>
/// <param name="Value">The time in s, or the measure in the unit it is kept in, above 0.</param>
public readonly record struct SquadTime(int Athlete, string Key, int From, int To, DateOnly Day, double Value);

/// <summary>A stretch that a squad ran.</summary>
/// <param name="Key">Key of the trial.</param>
/// <param name="From">Begin in mm.</param>
/// <param name="To">End in mm.</param>
public readonly record struct SquadStretch(string Key, int From, int To);

/// <summary>Where an athlete stands on a stretch.</summary>
/// <param name="Last">Best of the latest day.</param>
/// <param name="Day">That day.</param>
/// <param name="Usual">What the bests of the days before lay between; null with too few of them.</param>
/// <param name="LessIsBetter">True for times.</param>
public sealed record SquadCell(double Last, DateOnly Day, UsualRange? Usual, bool LessIsBetter)
{
    /// <summary>1 when the latest day was better than the athlete's own usual range, -1 when worse, 0 inside or when that is not known.</summary>
    public int Sign => Usual is null ? 0 : (Last < Usual.Least - Hair ? 1 : Last > Usual.Most + Hair ? -1 : 0) * (LessIsBetter ? 1 : -1);

    private const double Hair = 1e-9;
}

/// <summary>An athlete's season over a stretch.</summary>
/// <param name="Athlete">Number of the athlete.</param>
/// <param name="Cell">Where the athlete stands.</param>
/// <param name="Every">Every figure, the best first.</param>
/// <param name="Change">What changed from the first days to the last; null with too few days.</param>
/// <param name="From">Mean best of the first days, where a change is known.</param>
public sealed record SquadLine(int Athlete, SquadCell Cell, IReadOnlyList<double> Every, SeasonChange? Change, double From)
{
    /// <summary>By how much the last days are better than the first; negative when worse; null with too few days.</summary>
    public double? Gain => Cell.LessIsBetter ? -Change?.Change : Change?.Change;
}

/// <summary>A squad's times laid side by side, each athlete against their own range.</summary>
public static class SquadTimes
{
    private const int MostFlying = 2;
    private const int FewestAthletes = 2;

    /// <summary>Trials from the start that at least two athletes ran, the one with most times first.</summary>
    /// <param name="times">The times.</param>
    public static IReadOnlyList<string> Trials(IReadOnlyCollection<SquadTime> times) =>
        [.. times.Where(t => t.From == 0).GroupBy(t => t.Key).Where(g => g.Select(t => t.Athlete).Distinct().Count() >= FewestAthletes).OrderByDescending(g => g.Count()).Select(g => g.Key)];

    /// <summary>Stretches of a trial from the start, the shortest first, and the flying ones that were run most.</summary>
    /// <param name="times">The times.</param>
    /// <param name="trial">Key of the trial.</param>
    public static IReadOnlyList<SquadStretch> Stretches(IReadOnlyCollection<SquadTime> times, string trial)
    {
        var by = times.GroupBy(t => new SquadStretch(t.Key, t.From, t.To)).Where(g => g.Select(t => t.Athlete).Distinct().Count() >= FewestAthletes).ToList();
        return
        [
            .. by.Select(g => g.Key).Where(s => s.Key == trial && s.From == 0).OrderBy(s => s.To),
            .. by.Where(g => g.Key.From > 0).OrderByDescending(g => g.Count()).Take(MostFlying).Select(g => g.Key).OrderBy(s => s.From).ThenBy(s => s.To),
        ];
    }

    /// <summary>Where an athlete stands on a stretch; null without a time.</summary>
    /// <param name="times">Times of the athlete over the stretch.</param>
    /// <param name="lessIsBetter">True for times.</param>
    public static SquadCell? Cell(IEnumerable<SquadTime> times, bool lessIsBetter = true)
    {
        var days = Days(times, lessIsBetter);
        return days.Count == 0 ? null : new(days[^1].Best, days[^1].Day, UsualRange.Of([.. days.SkipLast(1).Select(d => d.Best)]), lessIsBetter);
    }

    /// <summary>Every athlete who ran a stretch, the best of the latest days first.</summary>
    /// <param name="times">The times.</param>
    /// <param name="stretch">The stretch.</param>
    /// <param name="lessIsBetter">True for times.</param>
    public static IReadOnlyList<SquadLine> Lines(IEnumerable<SquadTime> times, SquadStretch stretch, bool lessIsBetter = true) =>
    [
        .. times.Where(t => new SquadStretch(t.Key, t.From, t.To) == stretch).GroupBy(t => t.Athlete).Select(g =>
        {
            var days = Days(g, lessIsBetter);
            var change = SeasonChange.Of([.. days.Select(d => d.Best)]);
            return new SquadLine(g.Key, Cell(g, lessIsBetter)!, [.. lessIsBetter ? g.Select(t => t.Value).Order() : g.Select(t => t.Value).OrderDescending()], change, change is null ? 0 : days.Take(change.Days).Average(d => d.Best));
        }).OrderBy(l => lessIsBetter ? l.Cell.Last : -l.Cell.Last).ThenBy(l => l.Athlete),
    ];

    private static List<(DateOnly Day, double Best)> Days(IEnumerable<SquadTime> times, bool lessIsBetter) => [.. times.GroupBy(t => t.Day).OrderBy(g => g.Key).Select(g => (g.Key, lessIsBetter ? g.Min(t => t.Value) : g.Max(t => t.Value)))];
}

/// <summary>Push against speed within a squad.</summary>
public static class ForceBalance
{
    /// <summary>Standard deviations of the squad from which an athlete is called short of one of them (own rule).</summary>
    public const double Named = 0.8;

    /// <summary>Fewest athletes of whom it is told.</summary>
    public const int FewestAthletes = 4;

    /// <summary>
    /// By how many standard deviations of the squad an athlete's F0 stands higher than the same athlete's V0: above <see cref="Named"/> short of speed, below minus that short of
    /// push. It says how an athlete is built beside the others, not what would make them faster: that is <see cref="Sprint.GainEffect"/>.
    /// </summary>
    /// <param name="forces">F0 in N/kg and V0 in m/s, by athlete.</param>
    /// <returns>The difference by athlete; empty with too few athletes or when they do not differ.</returns>
    public static IReadOnlyDictionary<int, double> Of(IReadOnlyDictionary<int, (double F0, double V0)> forces)
    {
        var (f, v) = (forces.Values.Select(x => x.F0).ToList(), forces.Values.Select(x => x.V0).ToList());
        if (forces.Count < FewestAthletes || f.StandardDeviation() is not > 0 || v.StandardDeviation() is not > 0)
        {
            return new Dictionary<int, double>();
        }

        return forces.ToDictionary(x => x.Key, x => ((x.Value.F0 - f.Mean()) / f.StandardDeviation()) - ((x.Value.V0 - v.Mean()) / v.StandardDeviation()));
    }
}
