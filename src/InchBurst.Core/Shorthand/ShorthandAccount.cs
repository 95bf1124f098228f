using System.Globalization;
using System.Text.RegularExpressions;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;

namespace InchBurst.Core.Shorthand;

/// <summary>
/// What was read, held against what was typed: every figure and every word that says what is done must be somewhere in the reading, as it stands, in another unit or as a sum.
/// A line with more in it than was read is asked about, however it came to be read so: no habit of writing may lose a figure in silence.
/// </summary>
internal static partial class ShorthandAccount
{
    /// <summary>The question to ask, or null where the reading accounts for the whole line.</summary>
    /// <param name="typed">The line as typed.</param>
    /// <param name="read">What was read.</param>
    /// <param name="printed">The same as the program prints it.</param>
    /// <param name="catalogue">Known exercises.</param>
    public static ShorthandProblem? Missing(string typed, PlanBlock read, string printed, ExerciseCatalogue catalogue)
    {
        if (printed == typed.Trim())
        {
            return null;
        }

        var line = LineText.Of(typed);
        if (TwoMeanings(line.Text, read, catalogue) is { } twofold)
        {
            return twofold;
        }

        var names = string.Join(' ', read.Lines.Select(l => catalogue.Find(l.Exercise)).OfType<Exercise>().SelectMany(e => e.Also.Append(e.Name)));
        var lost = LostUnit(line.Text, printed) ?? LostFigure(line.Text, read, printed, names) ?? LostWord(line.Text, line.Text.Length - LineHabits.WithoutHeading(line.Text).Length, printed, names, catalogue);
        if (lost is not { } at)
        {
            return null;
        }

        var (start, length) = line.Source(at.Index, at.Length);
        return new(start, length, $"Read as {printed}, which leaves out “{at.Value}”.")
        {
            Choices = [new($"leave it out: {printed}", (0, typed.Length, printed)), .. SaidToo(typed, read, start, length, printed, at.Value)],
        };
    }

    // Seconds behind a length that somebody could run in them, without a word that they are rest.
    private static ShorthandProblem? TwoMeanings(string typed, PlanBlock read, ExerciseCatalogue catalogue)
    {
        if (TimesBehind().Match(typed) is { Success: true } times && read is { Rounds: 1, Lines.Count: > 1 } && read.Lines.Take(read.Lines.Count - 1).All(l => l.TotalReps == 1 && l.Shape is RunShape) && read.Lines[^1] is { Sets: 1, Shape: RunShape } last && last.Reps == int.Parse(times.Groups[1].ValueSpan, CultureInfo.InvariantCulture))
        {
            var once = read.Lines.Select(l => ShorthandPrinter.Print(l with { Reps = 1 }, catalogue)).ToList();
            return new(0, typed.Length, $"{last.Reps} times all of it, or only the last?")
            {
                Choices =
                [
                    new($"all of it, {last.Reps} times", (0, typed.Length, $"{last.Reps} rounds: {string.Join("; ", once)}")),
                    new("only the last", (0, typed.Length, string.Join("; ", [.. once.Take(once.Count - 1), ShorthandPrinter.Print(last, catalogue)]))),
                ],
            };
        }

        if (read is { Rounds: 1, Lines: [{ Shape: RunShape { Segments.Count: > 1 } parts, Exercise: null } whole] } && parts.Segments.All(s => s is { Role: SegmentRole.Run, Movement: null }) && LengthsAdded().IsMatch(typed))
        {
            // Lengths with a plus between them, each with its unit: parts of one run, or runs of their own.
            var each = parts.Segments.Select(s => ShorthandPrinter.Print(whole with { Sets = 1, Reps = 1, Shape = new RunShape([s]), Kind = PlanKinds.Derive(null, null, new RunShape([s]), whole.Effort, whole.Load, whole.Goal) }, catalogue)).ToList();
            return new(0, typed.Length, $"One run of {Units.Figures.Number(Metres(whole), 1)} {parts.Segments[0].Length.Symbol} in parts, or a run of each?")
            {
                Choices =
                [
                    new("a run of each", (0, typed.Length, whole.TotalReps > 1 ? $"{whole.TotalReps} rounds: {string.Join("; ", each)}" : string.Join("; ", each))),
                    new("one run in parts", (0, typed.Length, ShorthandPrinter.Print(whole, catalogue))),
                ],
            };
        }

        if (read.Lines is not [{ Shape: RunShape run, Goal: null, Rest: { RepSeconds: { } seconds } rest } line] || !BareSeconds().IsMatch(typed) || RestWord().IsMatch(typed) || run.Metres / seconds is not (>= LeastPace and <= MostPace))
        {
            return null;
        }

        var said = Units.Figures.Number(seconds, 2);
        return new(0, typed.Length, $"{said} s to run it in, or of rest?")
        {
            Choices =
            [
                new("to run it in", (0, typed.Length, ShorthandPrinter.Print(line with { Rest = null, Goal = new(seconds) }, catalogue))),
                new("of rest", (0, typed.Length, ShorthandPrinter.Print(line with { Rest = rest }, catalogue))),
            ],
        };
    }

    // One times sign, at the end of several pieces.
    [GeneratedRegex(@"^(?!.*;)(?!.*\d\s*x.*x\s*\d)[^x]*,[^,]*x\s*([2-9]|1[0-9])\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex TimesBehind();

    [GeneratedRegex(@"[0-9]\s*(?:m|yd|yards?|metres?|meters?)\s*\+\s*[0-9]{1,3}\s*(?:m|yd|yards?|metres?|meters?)(?![\p{L}0-9])", RegexOptions.IgnoreCase)]
    private static partial Regex LengthsAdded();

    // Runs at some effort are not slower or faster than this, in m/s.
    private const double LeastPace = 5;
    private const double MostPace = 11;

    [GeneratedRegex(@"[0-9]\s*s(?:ecs?|econds?)?\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex BareSeconds();

    [GeneratedRegex(@"\b(?:r|rests?|rec\p{L}*|breaks?|breather|pauses?|between|off|on|every|walk\p{L}*|jog\p{L}*|float|turnaround|interval\p{L}*|[0-9]+\s*/\s*[0-9]+)\b|\(", RegexOptions.IgnoreCase)]
    private static partial Regex RestWord();

    // Beside what was read, the rest can be said to the athlete.
    private static IEnumerable<ShorthandChoice> SaidToo(string typed, PlanBlock read, int start, int length, string printed, string lost) =>
        read.Lines is [{ Cue: null }] && start + length <= typed.Length ? [new($"say it: {lost}", (0, typed.Length, $"{printed} cue \"{lost}\""))] : [];

    private static Match? LostFigure(string typed, PlanBlock read, string printed, string names)
    {
        var held = Figures().Matches(printed + " " + names).Select(m => Value(m.Value)).ToList();
        var sums = read.Lines.SelectMany(Sums).Concat(Figures().Matches(printed).Where(m => m.Value.Contains(':', StringComparison.Ordinal)).SelectMany(m => new[] { Value(m.Value), Value(m.Value) / 60 })).Append(1).Append(read.Lines.Sum(Metres)).ToList();
        var all = Figures().Matches(typed);
        var hasRest = read.Lines.Any(l => l.Rest is not null) || read.RoundRestSeconds is not null;
        bool Has(double value)
        {
            if (held.FindIndex(h => Math.Abs(h - value) < Near) is >= 0 and var at)
            {
                if (read.Lines.Count == 1)
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
            if (Labelled().IsMatch(before))
            {
                continue;
            }

            // The start is where the clock begins, and both sides may be said each.
            if (value == 0 || Has(value) || (i > 0 && before.EndsWith(all[i].Value + "/", StringComparison.Ordinal) && read.Lines.All(l => l.EachSide)))
            {
                continue;
            }

            var isHeld = all[i].Value.Contains(':', StringComparison.Ordinal) ? hasRest && Parts(all[i].Value).Exists(Has)
                : (value > 100 && after.StartsWith('%') && Has(value - 100))
                || (value < 1 && Has(Math.Round(value * 100)))
                || (after.StartsWith("k", StringComparison.OrdinalIgnoreCase) && !after.StartsWith("kg", StringComparison.OrdinalIgnoreCase) && Has(value * 1000))
                || (i + 1 < all.Count && IsMinutes(typed, all[i], all[i + 1]) && Has((value * 60) + Value(all[i + 1].Value)))
                || (i > 0 && IsMinutes(typed, all[i - 1], all[i]) && sums.Exists(s => Math.Abs(s - (Value(all[i - 1].Value) * 60) - value) < Near))
                || (Shares().Matches(typed).Any(s => s.Index <= all[i].Index && s.Index + s.Length > all[i].Index) && Share(typed, all[i].Index) is { } share && sums.Concat(held).Any(h => Math.Abs(h - share) < 1))
                || (hasRest && (Ratio().IsMatch(after) || before.EndsWith(':') || before.EndsWith(" to", StringComparison.OrdinalIgnoreCase) || Strolled().IsMatch(after) || before.EndsWith("walk", StringComparison.OrdinalIgnoreCase)))
                || (after.StartsWith("mile", StringComparison.OrdinalIgnoreCase) && sums.Concat(held).Any(h => Math.Abs(h - (value * MetresOfMile)) < MetresOfMile / 100))
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

    // A heading in front says what sort of work follows, and is none of it.
    private static Match? LostWord(string typed, int heading, string printed, string names, ExerciseCatalogue catalogue)
    {
        HashSet<string> held = [.. Words().Matches(printed + " " + names).Select(m => m.Value.ToLowerInvariant())];
        foreach (var match in Words().Matches(typed).Where(m => m.Index >= heading))
        {
            var word = match.Value.ToLowerInvariant();
            if (held.Any(h => h.StartsWith(word[..Math.Min(4, word.Length)], StringComparison.Ordinal) || word.StartsWith(h, StringComparison.Ordinal)))
            {
                continue;
            }

            if (Meaning.TryGetValue(word, out var means) ? !means.Any(m => printed.Contains(m, StringComparison.Ordinal)) : !Spent.Contains(word) && (catalogue.Words.Contains(word) || !LineHabits.Knows(word)))
            {
                return match;
            }
        }

        return null;
    }

    // Words that are read as something else, and what that may be.
    private static readonly Dictionary<string, string[]> Meaning = new()
    {
        ["resisted"] = ["sled", "band", "partner", "vest", "chain", "parachute"],
        ["weighted"] = ["vest", "kg", "lb", "%bm"],
        ["loaded"] = ["sled", "vest", "kg", "lb", "%"],
        ["hill"] = ["uphill", "hill", "downhill"],
        ["hills"] = ["uphill", "hill", "downhill"],
        ["incline"] = ["uphill", "hill"],
        ["band"] = ["band", "tow"],
        ["assisted"] = ["tow", "band", "downhill", "assisted"],
        ["overspeed"] = ["tow", "band", "downhill"],
        ["submax"] = ["%", "not flat out"],
        ["decelerate"] = ["slow", "stop"],
        ["deceleration"] = ["slow", "stop"],
        ["stop"] = ["slow", "stop"],
        ["brake"] = ["slow", "stop"],
        ["hollow"] = ["float"],
        ["slow"] = ["slow", "walk"],
        ["superset"] = [";"],
        ["supersetted"] = [";"],
        ["paired"] = [";"],
        ["couplet"] = [";"],
        ["combo"] = [";"],
        ["complex"] = [";"],
        ["circuit"] = [";", "circuit"],
        ["inch"] = ["inch", " in"],
        ["jog"] = ["jog", "float", "rest"],
        ["walk"] = ["walk", "rest"],
        ["single"] = ["each side", "single"],
        ["chute"] = ["parachute"],
        ["lying"] = ["prone", "supine"],
        ["rolling"] = ["moving"],
        ["half"] = ["50%", ":30"],
        ["relaxed"] = ["float", "%", "relaxed"],
        ["left"] = ["each side", "left", "alternate"],
        ["right"] = ["each side", "right", "alternate"],
    };

    // Words that say how the line is built, or what its figures say already.
    private static readonly HashSet<string> Spent = new(
        ("bodyweight contrast cut forward ladder pyramid hrmax maximal mile miles slowdown vmax warmup accel accels accelerate acceleration accelerations and body break cool decel down drill drills drop five flat four free general "
        + "hold ins intervals into leg legs off outs over pause practice progressive pull pulls push quarter race recovery speed split sprints stance start starting starts test the three two with work warm weight back easy feet foot "
        + "for from full out run runs sprint one six seven eight nine ten twice times session iso hand hands degree degrees double xamrap gate gates bwd still moves bpm agility repeat pap pape potentiation shot put note notes key remember reminder").Split(' '),
        StringComparer.Ordinal);

    private const double Near = 1e-3;

    private const double MetresOfMile = 1609.344;

    private static double Parsed(string number) => double.Parse(number, CultureInfo.InvariantCulture);

    private static double Value(string figure) => figure.Split(':') is [var minutes, var seconds] ? (Parsed(minutes) * 60) + Parsed(seconds) : Parsed(figure);

    [GeneratedRegex(@"[0-9]{1,3}:[0-5][0-9](?![0-9])|[0-9]{1,9}(?:\.[0-9]{1,9})?")]
    private static partial Regex Figures();

    [GeneratedRegex(@"[0-9]\s*(m|metres?|meters?|y|yds?|yards?|ft|feet|foot)(?![\p{L}0-9'])", RegexOptions.IgnoreCase)]
    private static partial Regex Lengths();

    [GeneratedRegex(@"[\p{L}\p{M}]{3,}")]
    private static partial Regex Words();

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
