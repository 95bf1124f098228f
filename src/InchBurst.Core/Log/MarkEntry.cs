using InchBurst.Core.Demand;
using InchBurst.Core.Load;
using InchBurst.Core.Plan;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;

namespace InchBurst.Core.Log;

/// <summary>A doubt about typed marks.</summary>
/// <param name="Kind">Its weight.</param>
/// <param name="Index">Which of the expected marks it is about, from 0.</param>
/// <param name="Message">What is odd, in a coach's words.</param>
public sealed record MarkDoubt(DoubtKind Kind, int Index, string Message)
{
    /// <summary>True when it asks about a figure that is not there.</summary>
    public bool IsMissing { get; init; }
}

/// <summary>Why a rep has fewer figures than marks.</summary>
public enum PartFilled
{
    /// <summary>Nobody has said; it is asked about.</summary>
    Unsaid,

    /// <summary>A gate missed the runner; the others stand.</summary>
    GateMissed,

    /// <summary>The figures are those of the zone: the clock started at its first mark.</summary>
    ZoneOnly,

    /// <summary>The athlete stopped before the marks that follow.</summary>
    Stopped,
}

/// <summary>Typed marks: read and checked.</summary>
/// <param name="Marks">Marks in rising order; empty when any doubt is impossible.</param>
/// <param name="Doubts">Doubts, impossible ones first.</param>
/// <param name="ZoneOnly">True when only the zone from the first mark on was timed; its time there is then 0.</param>
public sealed record MarkReading(IReadOnlyList<LoggedMark> Marks, IReadOnlyList<MarkDoubt> Doubts, bool ZoneOnly = false)
{
    /// <summary>True when the marks may be stored without asking.</summary>
    public bool IsClean => Doubts.Count == 0;

    /// <summary>True when it must be said why figures are missing.</summary>
    public bool AsksWhy => Doubts.Any(d => d.IsMissing);

    /// <summary>True when the marks must not be stored.</summary>
    public bool IsRefused => Doubts.Any(d => d.Kind == DoubtKind.Impossible);
}

/// <summary>How times are typed.</summary>
public enum EntryMode
{
    /// <summary>The clock's figure at each mark.</summary>
    Cumulative,

    /// <summary>The time of each stretch from the mark before.</summary>
    Segments,

    /// <summary>Clock started at the first mark, so only the marks after it have figures.</summary>
    ZoneOnly,
}

/// <summary>Reads marks as they are typed: cumulative or stretch by stretch, comma or point, separated by spaces; a dash leaves one out.</summary>
public static class MarkEntry
{
    /// <summary>Fastest mean speed of a stretch that is taken, m/s. The fastest 10 m stretches measured are about 12.4 m/s (Graubner and Nixdorf 2011).</summary>
    public const double FastestPossible = 13.5;

    /// <summary>Share by which a time may lie outside the athlete's own range before it is asked about.</summary>
    public const double OutsideRange = 0.08;

    /// <summary>Runs a range must stand on before it is used.</summary>
    public const int RangeRuns = 3;

    private const double FastestLikely = 12.4;
    private const double LongestSeconds = 300;
    private const double SlowestWalk = 0.7;
    private const double SlowFromStart = 1.5;
    private const double SlowFlying = 2.5;
    private static readonly SprintCurve FastestStart = new(12.3, 0.85);
    internal static readonly SprintCurve StartNobodyMakes = new(13.5, 0.6);

    /// <summary>Reads and checks typed marks against the marks the line expects.</summary>
    /// <param name="text">What was typed.</param>
    /// <param name="expected">Where times are expected, rising.</param>
    /// <param name="context">What is known about the run.</param>
    public static MarkReading Read(string text, IReadOnlyList<Distance> expected, MarkContext context) =>
        Read(text.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries), expected, context);

    /// <summary>Reads and checks typed marks, one text a mark; a dash leaves a mark out, an empty text is asked about until it is said why.</summary>
    /// <param name="texts">What was typed, in the order of the marks.</param>
    /// <param name="expected">Where times are expected, rising.</param>
    /// <param name="context">What is known about the run.</param>
    public static MarkReading Read(IReadOnlyList<string> texts, IReadOnlyList<Distance> expected, MarkContext context)
    {
        var zone = context.Mode == EntryMode.ZoneOnly && expected.Count > 1;
        if (!zone && context.Part == PartFilled.ZoneOnly && expected.Count > 1)
        {
            // What stands in the first box is the zone's time all the same.
            var figures = texts.Count > 0 && texts[0].Trim().Length > 0 ? [.. texts.Where(t => t.Trim().Length > 0)] : texts.Skip(1).ToList();
            return Read(figures, expected, context with { Mode = EntryMode.ZoneOnly, Part = PartFilled.GateMissed });
        }

        var boxes = zone ? [.. expected.Skip(1)] : expected;
        if (texts.Count > boxes.Count)
        {
            return Refuse(boxes.Count - 1, $"{texts.Count} times for {boxes.Count} {(boxes.Count == 1 ? "mark" : "marks")}: one too many.");
        }

        // Nobody who is timed takes longer than a slow walk.
        var longest = Math.Max(LongestSeconds, boxes.Count > 0 ? boxes[^1].Metres / SlowestWalk : 0);
        var typed = new double?[texts.Count];
        for (var i = 0; i < texts.Count; i++)
        {
            var text = texts[i].Trim();
            if (text is "" or "-" or "–" or "—" or Figures.Minus)
            {
                continue;
            }

            if (!Figures.TrySplit(text, out var seconds))
            {
                return Refuse(i, $"“{Shown(text)}” is not a time. Type seconds, such as 1.81{(longest > LongestSeconds ? ", or minutes, such as 5:22" : "")}.");
            }

            if (seconds <= 0 || seconds > longest)
            {
                return Refuse(i, $"A time must be above 0 and at most {(longest > LongestSeconds ? Figures.Clock(longest) : $"{LongestSeconds:0} s")}.");
            }

            typed[i] = seconds;
        }

        if (typed.All(t => t is null))
        {
            return Refuse(0, "Type a time first.");
        }

        var missing = Enumerable.Range(0, boxes.Count).Where(i => i >= texts.Count || texts[i].Trim().Length == 0).ToList();
        if (context.Mode == EntryMode.Segments)
        {
            // Without the run-up, the stretches after it are still a flying time.
            zone = typed[0] is null && boxes.Count > 1;
            var gap = Array.FindIndex(typed, zone ? 1 : 0, t => t is null);
            var last = Array.FindLastIndex(typed, t => t is not null);
            if (gap >= 0 && gap < last)
            {
                return Refuse(gap, $"Stretch by stretch, each one before {boxes[last]} needs its time. Type clock times instead to leave a mark out.");
            }

            var sum = 0.0;
            for (var i = 0; i <= last; i++)
            {
                sum += typed[i] ?? 0;
                typed[i] = typed[i] is null ? null : Math.Round(sum, 4);
            }
        }

        var doubts = new List<MarkDoubt>();
        if (context.Part == PartFilled.Unsaid && missing.Count > 0)
        {
            doubts.Add(new(DoubtKind.Unlikely, missing[0], $"No time at {string.Join(" and ", missing.Select(i => boxes[i]))}.") { IsMissing = true });
        }
        else if (context.Part == PartFilled.Stopped && missing.Count > 0 && missing[0] < Array.FindLastIndex(typed, t => t is not null))
        {
            return Refuse(missing[0], $"A time stands after {boxes[missing[0]]}, so the athlete did not stop there.");
        }

        var marks = new List<(int Index, LoggedMark Mark)>();
        for (var i = 0; i < typed.Length; i++)
        {
            if (typed[i] is not { } seconds)
            {
                continue;
            }

            if (marks.Count > 0 && seconds <= marks[^1].Mark.Seconds)
            {
                return Refuse(i, $"{Figures.Split(seconds)} at {boxes[i]} is not after {Figures.Split(marks[^1].Mark.Seconds)} at {marks[^1].Mark.At}: times must rise.");
            }

            marks.Add((i, new(boxes[i], seconds)));
        }

        var from = zone ? new LoggedMark(expected[0], 0) : new LoggedMark(Distance.InMetres(0), 0);
        LoggedMark[] first = zone ? [from] : [];
        foreach (var (index, mark) in marks)
        {
            if ((Judge(from, mark, context) ?? OffRange(from, mark, context)) is var (kind, message))
            {
                doubts.Add(new(kind, index, message));
            }

            from = mark;
        }

        doubts.Sort((a, b) => a.Kind.CompareTo(b.Kind));
        return doubts.Any(d => d.Kind == DoubtKind.Impossible) ? new([], doubts) : new([.. first, .. marks.Select(m => m.Mark)], doubts, zone);
    }

    private static (DoubtKind, string)? OffRange(LoggedMark from, LoggedMark to, MarkContext context)
    {
        if (context.Ranges.FirstOrDefault(r => r.FromMillimetres == from.At.Millimetres && r.ToMillimetres == to.At.Millimetres && r.Runs >= RangeRuns) is not { } range)
        {
            return null;
        }

        var seconds = to.Seconds - from.Seconds;
        var (quicker, slower) = (1 - (seconds / range.Fastest), (seconds / range.Slowest) - 1);
        if (Math.Max(quicker, slower) <= OutsideRange)
        {
            return null;
        }

        var stretch = from.At.Millimetres == 0 ? to.At.ToString() : $"{from.At} to {to.At}";
        return (DoubtKind.Unlikely, $"{stretch} in {Figures.Split(seconds)} is {Figures.Number(Math.Max(quicker, slower) * 100)}% {(quicker > slower ? "quicker" : "slower")} than this athlete's {Figures.Split(range.Fastest)}–{Figures.Split(range.Slowest)}. Is it right?");
    }

    private static MarkReading Refuse(int index, string message) => new([], [new(DoubtKind.Impossible, Math.Max(0, index), message)]);

    private static string Shown(string text) => text.Length <= 12 ? text : text[..12] + "…";

    private static (DoubtKind, string)? Judge(LoggedMark from, LoggedMark to, MarkContext context)
    {
        var metres = to.At.Metres - from.At.Metres;
        var seconds = to.Seconds - from.Seconds;
        var speed = metres / seconds;
        var stretch = from.At.Millimetres == 0 ? $"{Figures.Split(to.Seconds)} to {to.At}" : $"{from.At} to {to.At} in {Figures.Split(seconds)}";
        if (speed > FastestPossible)
        {
            return (DoubtKind.Impossible, $"{stretch} is {Figures.Exact(speed, 1)} m/s: faster than anyone has run.");
        }

        if (from.At.Millimetres == 0 && context.Least is { } least && to.Seconds < least(to.At.Metres))
        {
            return (DoubtKind.Impossible, $"{stretch} is faster than anyone could run and turn.");
        }

        var behind = context.StartBehindGateMetres;
        if (from.At.Millimetres == 0 && context.FromRest)
        {
            if (seconds < StartNobodyMakes.TimeBetween(behind, behind + metres))
            {
                return (DoubtKind.Impossible, $"{stretch} from rest is faster than anyone has started.");
            }

            if (seconds < FastestStart.TimeBetween(behind, behind + metres))
            {
                return (DoubtKind.Unlikely, $"{stretch} would beat the best starts measured. Is the first mark right?");
            }

            if (context.IsHard && speed < SlowFromStart)
            {
                return (DoubtKind.Unlikely, $"{stretch} is slow for a sprint: {Figures.Exact(speed, 1)} m/s. Is it right?");
            }

            return null;
        }

        if (speed > FastestLikely)
        {
            return (DoubtKind.Unlikely, $"{stretch} is {Figures.Exact(speed, 1)} m/s, up with the fastest ever measured. Is it right?");
        }

        if (context.BestSpeed is { } best && !context.IsHelped && speed > best * (1 + OutsideRange))
        {
            return (DoubtKind.Unlikely, $"{stretch} is {Figures.Exact(speed, 1)} m/s, {Figures.Number((speed / best - 1) * 100)}% over this athlete's best. Is it right?");
        }

        if (speed < SlowFlying && context.IsHard && from.At.Millimetres > 0)
        {
            return (DoubtKind.Unlikely, $"{stretch} is slow for a sprint: {Figures.Exact(speed, 1)} m/s. Is it right?");
        }

        return null;
    }
}
