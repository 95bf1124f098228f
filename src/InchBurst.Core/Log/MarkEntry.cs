using System.Globalization;
using InchBurst.Core.Plan;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;

namespace InchBurst.Core.Log;

/// <summary>How much a doubt about a time weighs.</summary>
public enum DoubtKind
{
    /// <summary>Cannot be; the time is refused.</summary>
    Impossible,

    /// <summary>Unlikely; the coach is asked and may overrule.</summary>
    Unlikely,
}

/// <summary>A doubt about typed marks.</summary>
/// <param name="Kind">Its weight.</param>
/// <param name="Index">Which of the expected marks it is about, from 0.</param>
/// <param name="Message">What is odd, in a coach's words.</param>
public sealed record MarkDoubt(DoubtKind Kind, int Index, string Message);

/// <summary>Typed marks: read and checked.</summary>
/// <param name="Marks">Marks in rising order; empty when any doubt is impossible.</param>
/// <param name="Doubts">Doubts, impossible ones first.</param>
public sealed record MarkReading(IReadOnlyList<LoggedMark> Marks, IReadOnlyList<MarkDoubt> Doubts)
{
    /// <summary>True when the marks may be stored without asking.</summary>
    public bool IsClean => Doubts.Count == 0;

    /// <summary>True when the marks must not be stored.</summary>
    public bool IsRefused => Doubts.Any(d => d.Kind == DoubtKind.Impossible);
}

/// <summary>What is known when marks are judged.</summary>
/// <param name="Kind">Kind of work.</param>
/// <param name="StartBehindGateMetres">Distance from the start line to the first gate, m.</param>
/// <param name="BestSpeed">The athlete's best flying speed in m/s, if known.</param>
public sealed record MarkContext(WorkKind Kind, double StartBehindGateMetres = 0, double? BestSpeed = null);

/// <summary>Reads marks as they are typed: cumulative numbers, comma or point, separated by spaces; a dash leaves one out.</summary>
public static class MarkEntry
{
    /// <summary>Fastest mean speed of a stretch that is taken, m/s. The fastest 10 m stretches measured are about 12.4 m/s (Graubner and Nixdorf 2011).</summary>
    public const double FastestPossible = 13.5;

    private const double FastestLikely = 12.4;
    private const double LongestSeconds = 300;
    private static readonly SprintCurve FastestStart = new(12.3, 0.85);
    private static readonly SprintCurve StartNobodyMakes = new(13.5, 0.6);

    /// <summary>Reads and checks typed marks against the marks the line expects.</summary>
    /// <param name="text">What was typed.</param>
    /// <param name="expected">Where times are expected, rising.</param>
    /// <param name="context">What is known about the run.</param>
    public static MarkReading Read(string text, IReadOnlyList<Distance> expected, MarkContext context) =>
        Read(text.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries), expected, context);

    /// <summary>Reads and checks typed marks, one text a mark; an empty text or a dash leaves a mark out.</summary>
    /// <param name="texts">What was typed, in the order of the marks.</param>
    /// <param name="expected">Where times are expected, rising.</param>
    /// <param name="context">What is known about the run.</param>
    public static MarkReading Read(IReadOnlyList<string> texts, IReadOnlyList<Distance> expected, MarkContext context)
    {
        var doubts = new List<MarkDoubt>();
        var marks = new List<(int Index, LoggedMark Mark)>();
        if (texts.Count > expected.Count)
        {
            return Refuse(expected.Count - 1, $"{texts.Count} times for {expected.Count} {(expected.Count == 1 ? "mark" : "marks")}: one too many.");
        }

        for (var i = 0; i < texts.Count; i++)
        {
            var text = texts[i].Trim();
            if (text is "" or "-" or "–" or "—" or Figures.Minus)
            {
                continue;
            }

            if (!TryNumber(text, out var seconds))
            {
                return Refuse(i, $"“{Shown(text)}” is not a time. Type seconds, such as 1.81.");
            }

            if (seconds is <= 0 or > LongestSeconds)
            {
                return Refuse(i, $"A time must be above 0 and at most {LongestSeconds:0} s.");
            }

            if (marks.Count > 0 && seconds <= marks[^1].Mark.Seconds)
            {
                return Refuse(i, $"{Figures.Split(seconds)} at {expected[i]} is not after {Figures.Split(marks[^1].Mark.Seconds)} at {marks[^1].Mark.At}: times must rise.");
            }

            marks.Add((i, new(expected[i], seconds)));
        }

        if (marks.Count == 0)
        {
            return Refuse(0, "Type a time first.");
        }

        var from = new LoggedMark(Distance.InMetres(0), 0);
        foreach (var (index, mark) in marks)
        {
            if (Judge(from, mark, context) is var (kind, message))
            {
                doubts.Add(new(kind, index, message));
            }

            from = mark;
        }

        doubts.Sort((a, b) => a.Kind.CompareTo(b.Kind));
        return doubts.Any(d => d.Kind == DoubtKind.Impossible) ? new([], doubts) : new([.. marks.Select(m => m.Mark)], doubts);
    }

    private static MarkReading Refuse(int index, string message) => new([], [new(DoubtKind.Impossible, Math.Max(0, index), message)]);

    private static string Shown(string text) => text.Length <= 12 ? text : text[..12] + "…";

    private static (DoubtKind, string)? Judge(LoggedMark from, LoggedMark to, MarkContext context)
    {
        var metres = to.At.Metres - from.At.Metres;
        var seconds = to.Seconds - from.Seconds;
        var speed = metres / seconds;
        var stretch = from.Seconds == 0 ? $"{Figures.Split(to.Seconds)} to {to.At}" : $"{from.At} to {to.At} in {Figures.Split(seconds)}";
        if (speed > FastestPossible)
        {
            return (DoubtKind.Impossible, $"{stretch} is {Figures.Exact(speed, 1)} m/s: faster than anyone has run.");
        }

        var behind = context.StartBehindGateMetres;
        if (from.Seconds == 0)
        {
            if (seconds < StartNobodyMakes.TimeBetween(behind, behind + metres))
            {
                return (DoubtKind.Impossible, $"{stretch} from rest is faster than anyone has started.");
            }

            if (seconds < FastestStart.TimeBetween(behind, behind + metres))
            {
                return (DoubtKind.Unlikely, $"{stretch} would beat the best starts measured. Is the first mark right?");
            }

            if (metres / seconds < 1.5)
            {
                return (DoubtKind.Unlikely, $"{stretch} is slow for a sprint: {Figures.Exact(speed, 1)} m/s. Is it right?");
            }

            return null;
        }

        if (speed > FastestLikely)
        {
            return (DoubtKind.Unlikely, $"{stretch} is {Figures.Exact(speed, 1)} m/s, up with the fastest ever measured. Is it right?");
        }

        if (context.BestSpeed is { } best && context.Kind != WorkKind.Assisted && speed > best * 1.08)
        {
            return (DoubtKind.Unlikely, $"{stretch} is {Figures.Exact(speed, 1)} m/s, {Figures.Number((speed / best - 1) * 100)}% over this athlete's best. Is it right?");
        }

        if (speed < 2.5 && context.Kind.IsSprint() && context.Kind != WorkKind.Resisted)
        {
            return (DoubtKind.Unlikely, $"{stretch} is slow for a sprint: {Figures.Exact(speed, 1)} m/s. Is it right?");
        }

        return null;
    }

    private static bool TryNumber(string text, out double seconds)
    {
        seconds = 0;
        if (text.Length > 9 || text.Count(c => c is '.' or ',') > 1 || !text.All(c => c is (>= '0' and <= '9') or '.' or ','))
        {
            return false;
        }

        return double.TryParse(text.Replace(',', '.'), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out seconds);
    }
}
