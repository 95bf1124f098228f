using System.Globalization;
using System.Text.RegularExpressions;
using InchBurst.Core.Plan;

namespace InchBurst.Core.Shorthand;

/// <summary>Every figure and every unit that was typed, found again in the reading.</summary>
internal static partial class ShorthandAccount
{
    private static Match? LostFigure(string typed, PlanBlock read, string printed, string names)
    {
        var held = Figures().Matches(printed + " " + names).Select(m => Value(m.Value)).ToList();
        var sums = read.Lines.SelectMany(Sums).Concat(Figures().Matches(printed).Where(m => m.Value.Contains(':', StringComparison.Ordinal)).SelectMany(m => new[] { Value(m.Value), Value(m.Value) / 60 })).Append(1).Append(read.Lines.Sum(Metres)).ToList();
        var all = Figures().Matches(typed);
        var hasRest = read.Lines.Any(l => l.Rest is not null) || read.RoundRestSeconds is not null;
        // What is said for the left and then for the right is there once.
        var isForEachSide = read.Lines.All(l => l.EachSide) && BothSides().IsMatch(typed);
        bool Has(double value)
        {
            if (held.FindIndex(h => Math.Abs(h - value) < Near) is >= 0 and var at)
            {
                if (read.Lines.Count == 1 && !isForEachSide)
                {
                    // Said twice it is to be there twice.
                    held.RemoveAt(at);
                }

                return true;
            }

            return sums.Exists(s => Math.Abs(s - value) < Near);
        }

        for (var i = 0; i < all.Count; i++)
        {
            var (value, before, after) = (Value(all[i].Value), typed[..all[i].Index].TrimEnd(), typed[(all[i].Index + all[i].Length)..].TrimStart());
            if (Labelled().IsMatch(before) || (HalfBehind().IsMatch(before) && (after.StartsWith('/') || before.EndsWith("1/", StringComparison.Ordinal))))
            {
                continue;
            }

            if (AndHalf().IsMatch(typed[(all[i].Index + all[i].Length)..]))
            {
                value += 0.5;
            }

            // The start is where the clock begins, and both sides may be said each.
            if (value == 0 || Has(value) || (i > 0 && before.EndsWith(all[i].Value + "/", StringComparison.Ordinal) && read.Lines.All(l => l.EachSide)))
            {
                continue;
            }

            var isHeld = all[i].Value.Contains(':', StringComparison.Ordinal) ? hasRest && Parts(all[i].Value).Exists(Has)
                : (value > 100 && after.StartsWith('%') && Has(value - 100))
                || ((value < 1 || after.StartsWith('x') || after.StartsWith('b') || after.StartsWith('B')) && Has(Math.Round(value * 100)))
                || (after.StartsWith("k", StringComparison.OrdinalIgnoreCase) && !after.StartsWith("kg", StringComparison.OrdinalIgnoreCase) && Has(value * 1000))
                || (i + 1 < all.Count && IsMinutes(typed, all[i], all[i + 1]) && Has((value * 60) + Value(all[i + 1].Value)))
                || (i > 0 && IsMinutes(typed, all[i - 1], all[i]) && sums.Exists(s => Math.Abs(s - (Value(all[i - 1].Value) * 60) - value) < Near))
                || (Shares().Matches(typed).Any(s => s.Index <= all[i].Index && s.Index + s.Length > all[i].Index) && Share(typed, all[i].Index) is { } share && sums.Concat(held).Any(h => Math.Abs(h - share) < 1))
                || (hasRest && (Ratio().IsMatch(after) || before.EndsWith(':') || before.EndsWith(" to", StringComparison.OrdinalIgnoreCase) || Strolled().IsMatch(after) || before.EndsWith("walk", StringComparison.OrdinalIgnoreCase)))
                || (after.StartsWith("mile", StringComparison.OrdinalIgnoreCase) && sums.Concat(held).Any(h => Math.Abs(h - (value * MetresOfMile)) < MetresOfMile / 100))
                || (after.StartsWith("min", StringComparison.OrdinalIgnoreCase) && read.Lines.Any(l => l.Rest?.EverySeconds is { } every && Math.Abs((l.TotalReps * every) - (value * 60)) < Near))
                || before.EndsWith("vo", StringComparison.OrdinalIgnoreCase)
                || SaidAgain().IsMatch(after);
            if (!isHeld)
            {
                return all[i];
            }
        }

        return null;
    }

    // A length in one unit is not one of as many in another.
    private static Match? LostUnit(string typed, string printed) =>
        Lengths().Matches(typed).FirstOrDefault(l => !Strolled().IsMatch(typed[(l.Index + l.Length)..].TrimStart()) && !Lengths().Matches(printed).Any(p => Unit(p) == Unit(l)) && Lengths().IsMatch(printed));

    private static char Unit(Match length) => char.ToLowerInvariant(length.Groups[1].ValueSpan[0]);

    // Minutes and the seconds beside them: 1'30, 2 min 30 s.
    private static bool IsMinutes(string typed, Match minutes, Match seconds) => Value(seconds.Value) < 60 && MinuteSign().IsMatch(typed.AsSpan(minutes.Index + minutes.Length, seconds.Index - minutes.Index - minutes.Length));

    private static List<double> Parts(string clock) => [.. clock.Split(':').Select(p => double.Parse(p, CultureInfo.InvariantCulture))];

    private static double? Share(string typed, int at) =>
        Shares().Matches(typed).FirstOrDefault(s => s.Index <= at && s.Index + s.Length > at) is { } m ? 100.0 * Parsed(m.Groups[1].Value) / Parsed(m.Groups[2].Value) : null;

    // One run of a line.
    private static double Metres(PlanLine line) => line.Shape is RunShape run ? run.Segments.Where(s => !s.IsTurn).Sum(s => s.Length.Amount) : 0;

    // What a line comes to all in all, and what a half of it is.
    private static IEnumerable<double> Sums(PlanLine line)
    {
        var each = line.EachSide ? 2 : 1;
        yield return line.Sets * line.Reps;
        yield return line.Reps * each;
        if (line.Least?.Shape is TimedShape least)
        {
            yield return least.Seconds;
            yield return least.Seconds / 60;
        }

        switch (line.Shape)
        {
            case RunShape run:
                var legs = run.Segments.Where(s => !s.IsTurn).Select(s => s.Length.Amount).ToList();
                yield return legs.Count;
                yield return legs.Sum();
                yield return legs.Sum() * line.Reps;
                foreach (var leg in legs)
                {
                    yield return leg * 2;
                }

                break;
            case CountShape count:
                yield return count.Count * each;
                yield return count.Count * line.Reps * line.Sets;
                break;
            case TimedShape timed:
                yield return timed.Seconds;
                yield return timed.Seconds / 60;
                yield return line.Reps * (timed.Seconds + (line.Rest?.RepSeconds ?? 0)) / 60;
                break;
        }
    }

    private const double Near = 1e-3;

    private const double MetresOfMile = 1609.344;

    private static double Parsed(string number) => double.Parse(number, CultureInfo.InvariantCulture);

    private static double Value(string figure) => figure.Split(':') is [var minutes, var seconds] ? (Parsed(minutes) * 60) + Parsed(seconds) : Parsed(figure);

    [GeneratedRegex(@"[0-9]{1,3}:[0-5][0-9](?![0-9])|[0-9]{1,9}(?:\.[0-9]{1,9})?")]
    private static partial Regex Figures();

    [GeneratedRegex(@"[0-9]\s*(m|metres?|meters?|y|yds?|yards?|ft|feet|foot)(?![\p{L}0-9'])", RegexOptions.IgnoreCase)]
    private static partial Regex Lengths();

    // Two and a half, as a sign or as a fraction beside the number.
    [GeneratedRegex(@"^\s*½|^\s+1/2(?=\s*(?:m|s))", RegexOptions.IgnoreCase)]
    private static partial Regex AndHalf();

    [GeneratedRegex(@"[0-9](?:\s+1/)?$")]
    private static partial Regex HalfBehind();

    [GeneratedRegex(@"\b(?:L\b.*\bR|left\b.*\bright)\b", RegexOptions.IgnoreCase)]
    private static partial Regex BothSides();

    // A1, A2: which of those done in turn it is.
    [GeneratedRegex(@"(?<![\p{L}\p{M}0-9])[A-D]$")]
    private static partial Regex Labelled();

    [GeneratedRegex(@"([0-9]{1,2})\s*/\s*([0-9]{1,2})")]
    private static partial Regex Shares();

    [GeneratedRegex(@"^(?::|to\b)\s*[0-9]", RegexOptions.IgnoreCase)]
    private static partial Regex Ratio();

    [GeneratedRegex(@"^(?:m|metres?|meters?|yd|yards?)?\s*(?:easy\s+|slow\s+)?(?:walk|jog|back)", RegexOptions.IgnoreCase)]
    private static partial Regex Strolled();

    // A 2-point start is from standing; how long the zone is was said already.
    [GeneratedRegex(@"^(?:-|\s)?\s*(?:point|pt)|^(?:m|yd)?\s*(?:fly\s+)?zone", RegexOptions.IgnoreCase)]
    private static partial Regex SaidAgain();

    [GeneratedRegex(@"^\s*(?:'|m|min|mins|minutes?)\s*(?:and\s*)?$", RegexOptions.IgnoreCase)]
    private static partial Regex MinuteSign();
}
