using System.Globalization;
using System.Text.RegularExpressions;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;

namespace InchBurst.Core.Shorthand;

/// <summary>What reads well and still may mean two things.</summary>
internal static partial class ShorthandAccount
{
    // Seconds behind a length that somebody could run in them, without a word that they are rest.
    private static ShorthandProblem? TwoMeanings(string typed, PlanBlock read, ExerciseCatalogue catalogue)
    {
        if (read is { Rounds: 1, Lines: [{ Exercise: null, Load: null } only] } && ShorthandWaysOut.LengthAsked(typed, only.Shape is RunShape { Segments: [var first, ..] } ? first.Length.Unit : Units.DistanceUnit.Metre) is { } howFar)
        {
            return howFar;
        }

        if (TwoNumbers().Match(typed) is { Success: true } bare && read is { Rounds: 1, Lines: [{ Exercise: null, Load: null, Shape: RunShape { Segments: [var alone] } } runs] })
        {
            // 20 x 10 without a unit: so many runs, or runs of so far.
            var (one, other) = (int.Parse(bare.Groups["one"].ValueSpan, CultureInfo.InvariantCulture), int.Parse(bare.Groups["other"].ValueSpan, CultureInfo.InvariantCulture));
            ShorthandChoice Of(int count, int far)
            {
                var shape = new RunShape([alone with { Length = new(far, alone.Length.Unit) }]);
                return new($"{count} runs of {far} {alone.Length.Symbol}", (0, typed.Length, ShorthandPrinter.Print(runs with { Sets = 1, Reps = count, Shape = shape, Kind = PlanKinds.Derive(null, null, shape, runs.Effort, runs.Load, runs.Goal) }, catalogue)));
            }

            return new(0, typed.Length, $"{one} runs, or runs of {one} {alone.Length.Symbol}?") { Choices = [Of(other, one), Of(one, other)] };
        }

        if (read is { Rounds: 1, Lines: [{ Exercise: null, TotalReps: 1, Shape: TimedShape { Seconds: <= LongestOn } on, Rest.RepSeconds: > 0 } once_] } && OnAndOff().IsMatch(typed))
        {
            // So long on and so long off, and not how often.
            return new(0, typed.Length, $"{Units.Figures.Number(on.Seconds, 0)} s on and off: how often?") { Choices = [.. TimesOffered.Select(n => new ShorthandChoice($"{n} times", (0, typed.Length, ShorthandPrinter.Print(once_ with { Reps = n }, catalogue))))] };
        }

        if (TimesBehind().Match(typed) is { Success: true } times && read is { Rounds: 1, Lines.Count: > 1 } && (read.Lines.Take(read.Lines.Count - 1).All(l => l.TotalReps == 1 && l.Shape is RunShape) || NamesAdded().IsMatch(typed)) && read.Lines[^1] is { Sets: 1, Shape: RunShape } last && last.Reps == int.Parse(times.Groups[1].ValueSpan, CultureInfo.InvariantCulture))
        {
            var once = read.Lines.Select(l => ShorthandPrinter.Print(l with { Sets = 1, Reps = 1 }, catalogue)).ToList();
            return new(0, typed.Length, $"{last.Reps} times all of it, or only the last?")
            {
                Choices =
                [
                    new($"all of it, {last.Reps} times", (0, typed.Length, $"{last.Reps} rounds: {string.Join("; ", once)}")),
                    new("only the last", (0, typed.Length, string.Join("; ", [.. once.Take(once.Count - 1), ShorthandPrinter.Print(last, catalogue)]))),
                ],
            };
        }

        if (read is { Lines: [{ Shape: RunShape { Segments: [var stretch] }, Exercise: null, Load: null, TotalReps: 1 }, { Shape: RunShape, TotalReps: 1 }, { Shape: RunShape, TotalReps: 1 } third] } && ThreeAlike().IsMatch(typed))
        {
            // Three lengths alike: runs of their own, or fast, float and fast in one.
            var (far, unit) = (Units.Figures.Number(stretch.Length.Amount, 2), stretch.Length.Symbol);
            var often = read.Rounds > 1 ? $"{read.Rounds} x " : "";
            return new(0, typed.Length, "Three runs, or one run fast, float and fast?")
            {
                Choices =
                [
                    new("one run: fast, float, fast", (0, typed.Length, $"{often}{far} fast + {far} float + {far} {unit} fast{(third.Rest is { } between ? " rest " + ShorthandPrinter.RestText(between) : "")}")),
                    new("three runs", (0, typed.Length, PlanText.PrintOne(read, catalogue))),
                ],
            };
        }

        if (SetsBehind().Match(typed) is { Success: true } sets && read is { Rounds: 1, Lines.Count: > 1 } && read.Lines.SkipLast(1).All(l => l.TotalReps == 1) && read.Lines[^1] is { TotalReps: > 1 } set && set.TotalReps == int.Parse(sets.Groups[1].ValueSpan, CultureInfo.InvariantCulture))
        {
            var once = read.Lines.Select(l => ShorthandPrinter.Print(l with { Sets = 1, Reps = 1 }, catalogue));
            return new(0, typed.Length, $"{set.TotalReps} sets of all of it, or only of the last?")
            {
                Choices = [new($"all of it, {set.TotalReps} times", (0, typed.Length, $"{set.TotalReps} rounds: {string.Join("; ", once)}")), new("only the last", (0, typed.Length, PlanText.PrintOne(read, catalogue)))],
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

        if (read.Lines is [{ Shape: TimedShape held, Rest.RepSeconds: { } pause } hold] && catalogue.Find(hold.Exercise) is { Counted: CountedIn.Seconds } && BareTime().IsMatch(typed) && !RestWord().IsMatch(typed) && !AnyTime().IsMatch(BareTime().Replace(typed, "")))
        {
            // One time alone behind what is held or done for a time.
            var long_ = Units.Figures.Number(pause, 0);
            return new(0, typed.Length, $"{long_} s of work, or of rest?")
            {
                Choices =
                [
                    new("of work", (0, typed.Length, ShorthandPrinter.Print(hold with { Rest = null, Shape = held with { Seconds = pause } }, catalogue))),
                    new("of rest", (0, typed.Length, ShorthandPrinter.Print(hold, catalogue))),
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

    private const double LongestOn = 90;
    private static readonly int[] TimesOffered = [8, 10, 12];

    // 15s/15s @ 120%
    [GeneratedRegex(@"^(?!.*\brest\b)[^x]*[0-9]{2}\s*s?\s*[/:-]\s*[0-9]{2}(?![0-9])[^x]*$", RegexOptions.IgnoreCase)]
    private static partial Regex OnAndOff();

    // Two numbers that may each be how many or how far.
    [GeneratedRegex(@"^\s*(?:(?<one>2[05])\s*x\s*(?<other>[5-9]|10|12)|(?<one>30|40)\s*x\s*(?<other>10|12))(?!\d|\s*(?:m|yd|y|s|sec|min|x|km|ft|reps?|metres?|meters?|feet|yards?|'|"")(?![\p{L}])|\s*[:.]\d)", RegexOptions.IgnoreCase)]
    private static partial Regex TwoNumbers();

    // 20-20-20
    [GeneratedRegex(@"(?<![\d-])(\d{2})\s*-\s*\1\s*-\s*\1(?![\d-])", RegexOptions.IgnoreCase)]
    private static partial Regex ThreeAlike();

    // One times sign, at the end of several pieces.
    [GeneratedRegex(@"^(?!.*;)(?!.*\d\s*x.*x\s*\d)[^x]*(?:,|\s/\s|\+)[^,/+]*x\s*([2-9]|1[0-9])\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex TimesBehind();

    // squat x 3, box jump x 3, 4 sets
    [GeneratedRegex(@",\s*([2-9])\s*sets\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex SetsBehind();

    // Names without a number with a plus behind them: A-skip + 20 m x 4
    [GeneratedRegex(@"^\s*(?:[\p{L}][\p{L}' -]*\+)+[^+]*$")]
    private static partial Regex NamesAdded();

    [GeneratedRegex(@"[0-9]\s*(?:m|yd|yards?|metres?|meters?)\s*\+\s*[0-9]{1,3}\s*(?:m|yd|yards?|metres?|meters?)(?![\p{L}0-9])", RegexOptions.IgnoreCase)]
    private static partial Regex LengthsAdded();

    // Runs at some effort are not slower or faster than this, in m/s.
    private const double LeastPace = 5;
    private const double MostPace = 11;

    [GeneratedRegex(@"(?:[0-9]{1,2}:[0-5][0-9]|[0-9]{1,3}\s*(?:s|secs?|seconds?|mins?|minutes?|'))\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex BareTime();

    [GeneratedRegex(@"[0-9]\s*(?:s|secs?|seconds?|mins?|minutes?|')(?![\p{L}])|[0-9]:[0-5][0-9]", RegexOptions.IgnoreCase)]
    private static partial Regex AnyTime();

    [GeneratedRegex(@"[0-9]\s*s(?:ecs?|econds?)?\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex BareSeconds();

    [GeneratedRegex(@"\b(?:r|rests?|rec\p{L}*|breaks?|breather|pauses?|between|off|on|every|walk\p{L}*|jog\p{L}*|float|turnaround|interval\p{L}*|[0-9]+\s*/\s*[0-9]+)\b|\(", RegexOptions.IgnoreCase)]
    private static partial Regex RestWord();
}
