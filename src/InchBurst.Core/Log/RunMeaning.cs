using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Log;

/// <summary>What one run says at once: the figure that matters, its speed, and how it compares.</summary>
/// <param name="Label">What the headline time is, such as "fly 10 m" or "30 m".</param>
/// <param name="Seconds">Headline time in s.</param>
/// <param name="Speed">Mean speed over the headline stretch in m/s.</param>
/// <param name="BestSeconds">Best earlier time over the same stretch, same method and start; null when there is none.</param>
/// <param name="ShareOfBest">Speed as a share of that best, 1 being equal; null when there is none.</param>
/// <param name="IsNewBest">True when it beats every comparable run before it.</param>
public sealed record RunMeaning(string Label, double Seconds, double Speed, double? BestSeconds, double? ShareOfBest, bool IsNewBest)
{
    /// <summary>Reads a run against the athlete's earlier ones.</summary>
    /// <param name="run">The run, with at least one mark.</param>
    /// <param name="earlier">The athlete's earlier runs; those of another method, kind of load or start are passed over.</param>
    public static RunMeaning Of(LoggedRun run, IEnumerable<LoggedRun> earlier)
    {
        var (from, to) = Headline(run);
        var flying = from.At.Millimetres > 0;
        double? best = null;
        foreach (var other in earlier)
        {
            if (Comparable(run, other, flying) && Time(other, from.At, to.At, flying) is { } time && !(best <= time))
            {
                best = time;
            }
        }

        return Against(run, best);
    }

    /// <summary>Reads a run against the best earlier time over its headline stretch.</summary>
    /// <param name="run">The run, with at least one mark.</param>
    /// <param name="best">Best comparable earlier time over the same stretch in s, or null.</param>
    public static RunMeaning Against(LoggedRun run, double? best)
    {
        var (from, to) = Headline(run);
        var seconds = to.Seconds - from.Seconds;
        var metres = to.At.Metres - from.At.Metres;
        var flying = from.At.Millimetres > 0;
        var length = Distance.InMetres(metres).To(to.At.Unit);
        return new(
            flying ? "fly " + length : to.At.ToString(),
            seconds,
            metres / seconds,
            best,
            best / seconds,
            best is { } b && seconds < b - 1e-9);
    }

    /// <summary>True when two runs may be compared: they belong to one trial. A flying time does not know what started the clock.</summary>
    /// <param name="a">One run.</param>
    /// <param name="b">The other.</param>
    /// <param name="flying">True when flying times are compared.</param>
    public static bool Comparable(LoggedRun a, LoggedRun b, bool flying = false) =>
        flying ? a.Trial.FlyingKey == b.Trial.FlyingKey : a.Trial.StartKey is { } key && key == b.Trial.StartKey;

    /// <summary>True when two runs are of one trial but for the side they were run to, over one headline stretch: left may then be set against right.</summary>
    /// <param name="a">One run, with at least one mark.</param>
    /// <param name="b">The other, with at least one mark.</param>
    public static bool SameButSide(LoggedRun a, LoggedRun b)
    {
        var (x, y) = (Stretches.Headline(a with { Side = null }), Stretches.Headline(b with { Side = null }));
        return (x.Key, x.FromMillimetres, x.ToMillimetres) == (y.Key, y.FromMillimetres, y.ToMillimetres);
    }

    /// <summary>The stretch that matters most of a run: its zone when both ends were marked, otherwise from the start to the last mark.</summary>
    /// <param name="run">The run, with at least one mark.</param>
    public static (LoggedMark From, LoggedMark To) Headline(LoggedRun run)
    {
        if (run.Zone is { } zone && Mark(run, zone.From) is { } from && Mark(run, zone.To) is { } to)
        {
            return (from, to);
        }

        return run.HasStart ? (new(Distance.InMetres(0), 0), run.Marks[^1]) : (run.Marks[0], run.Marks[^1]);
    }

    private static LoggedMark? Mark(LoggedRun run, int millimetres)
    {
        foreach (var mark in run.Marks)
        {
            if (mark.At.Millimetres == millimetres)
            {
                return mark;
            }
        }

        return null;
    }

    private static double? Time(LoggedRun run, Distance from, Distance to, bool flying)
    {
        double? start = flying ? null : 0, end = null;
        foreach (var mark in run.Marks)
        {
            start = flying && mark.At.Millimetres == from.Millimetres ? mark.Seconds : start;
            end = mark.At.Millimetres == to.Millimetres ? mark.Seconds : end;
        }

        return end - start;
    }
}
