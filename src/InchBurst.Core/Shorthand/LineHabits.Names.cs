using System.Text.RegularExpressions;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;

namespace InchBurst.Core.Shorthand;

/// <summary>The names of exercises in a line: what stands in front of them, which words are one, and starts that are none.</summary>
public static partial class LineHabits
{
    // What a lift is done with, or how, in front of its name: the lift is the same, and the rest is said. A coach's own name with that word in it stays one.
    private static LineText Kitted(LineText line, ExerciseCatalogue catalogue) =>
        InFrontOfLift.Match(line.Text) is { Success: true } found && catalogue.Find($"{found.Groups[1].Value} {found.Groups[2].Value}") is null && catalogue.Find(found.Groups[2].Value) is { } known && (known.Does is Motion.Lift or Motion.Hold || (known.Does is Motion.Jump && IsMass.IsMatch(found.Groups[1].Value)))
            ? line.Replace(HowLifted)
            : HeldStill.Pattern.Match(line.Text) is { Success: true } held && catalogue.Find(held.Groups[1].Value + " hold") is null && catalogue.Find(held.Groups[1].Value) is { } still && (still.Does is Motion.Lift or Motion.Hold || still is { Does: Motion.OnTheSpot, Counted: CountedIn.Reps }) ? line.Replace(HeldStill) : line;

    // A start that is no exercise, whatever it is called, is a way into a sprint, and is said. A slip of one that is known is asked.
    private static LineText Begun(LineText line, ExerciseCatalogue catalogue) =>
        IsNewStart(FromAStart.Pattern.Match(line.Text), " start", catalogue) ? line.Replace(FromAStart) : IsNewStart(IntoASprint.Pattern.Match(line.Text), "", catalogue) ? line.Replace(IntoASprint) : line;

    private static bool IsNewStart(Match start, string what, ExerciseCatalogue catalogue) =>
        start.Success && start.Groups[2].Value.Trim() is var called && Words.Matches(called) is { Count: <= MostStartWords } words && catalogue.Find(called + what) is null
        && ShorthandWords.Nearest(called + what, catalogue.Names) is null && ShorthandWords.Nearest(called, ShorthandWords.Vocabulary, called.Length) is null
        && !words.Any(w => ShorthandWords.IsVocabulary(w.Value) || w.Value.Any(char.IsAsciiDigit) || OfALoad.IsMatch(w.Value));

    // Words of what helps, holds back or is worn, which are read as that.
    private static readonly Regex OfALoad = new("^(?:assist|resist|load|weight|over-?speed|tow|heavy|light|sled|band|chain|vest|chute|parachute|hill|uphill|downhill|incline|free|drag|pull|push)", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, TimeSpan.FromMilliseconds(250));

    private const int MostStartWords = 3;

    private static readonly Habit FromAStart = Of(@"^\s*(\d{1,2}\s*x?\s+)?(\p{L}[\p{L}' -]*?)\s+starts?\s*(?:,|:)?\s*(?=(?:\d{1,2}\s*x\s*)?\d{1,3}\s*" + U + @"|x\s*\d|\d{1,2}\s*x\s*[1-9][05]" + E + @")(.*\d.*)$", "", "", "") with { Make = m => $"{Often(m.Groups[1])}{RestSaid(m.Groups[3].Value)} <$2 start>" };

    private static readonly Habit IntoASprint = Of(@"^\s*(\d{1,2}\s*x?\s+)?(\p{L}[\p{L}' -]*?)\s+(?:in)?to\s+(?:an?\s+)?(\d{1,2}\s*(?:m|yd))\s*(?:sprints?|accel\p{L}*|dash)(?=\s*(?:$|,|x|rest|each|\d))(.*)$", "", "", "") with { Make = m => $"{Often(m.Groups[1])}{m.Groups[3].Value} {RestSaid(m.Groups[4].Value)} <$2 into it>" };

    private static string Often(Group count) => count.Success ? count.Value.Trim(' ', 'x') + " x " : "";

    // What is done for seconds may be said to be held.
    private static readonly Habit HeldStill = Of(@"^\s*([\p{L}][\p{L}' -]*?)\s+holds?\s*:?\s*(?=\d{1,2}\s*x\s*\d{1,3}\s*s)", "$1 ", "", "");

    private const string How = @"sumo|conventional|db|dumbbells?|bb|barbell|kb|kettlebell|cable|machine|trx|smith(?:\s+machine)?|landmine|eccentric|iso(?:metric)?|explosive|clap(?:ping)?|deficit|close[ -]grip|wide[ -]grip|weighted|slow|single[ -]arm|one[ -]arm|seated|standing|kneeling|half[ -]kneeling|tall[ -]kneeling|clusters?|assisted|elevated";

    // What adds mass to a jump.
    private static readonly Regex IsMass = new("^(?:db|dumbbell|bb|barbell|kb|kettlebell|weighted|landmine)", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, TimeSpan.FromMilliseconds(250));

    private static readonly Regex InFrontOfLift = new(@"^\s*(" + How + @")\s+([\p{L}][\p{L}' -]*?)(?:\s+holds?)?(?=\s*(?:\d|$|,|x\s*\d|" + SaidClass + "))", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, TimeSpan.FromMilliseconds(250));

    private static readonly Habit HowLifted = Of(@"^\s*(" + How + @")\s+([\p{L}][\p{L}' -]*?)(?:\s+holds?)?(?=\s*(?:\d|$|,|x\s*\d))(.*)$", "$2 $3 <$1>", "", "");

    private static readonly Regex Words = new(@"[\p{L}\p{M}\d][\p{L}\p{M}\d']*", RegexOptions.CultureInvariant);

    // The first and longest name of an exercise; who a line is for may have any name, so nothing is looked for behind that.
    internal static LineText KeepName(LineText line, ExerciseCatalogue catalogue, bool onlyFirst)
    {
        var words = Words.Matches(line.Text);
        for (var i = 0; i < (onlyFirst ? Math.Min(1, words.Count) : words.Count); i++)
        {
            // What a turn, a kind of work or a measure is called is none.
            if (i > 0 && (line.Text.AsSpan(0, words[i].Index).TrimEnd().EndsWith("+") || words[i - 1].Value.ToLowerInvariant() is "as" or "log" or "turn" or "cut" or "from"))
            {
                continue;
            }

            for (var count = Math.Min(catalogue.LongestName + 1, words.Count - i); count > 0; count--)
            {
                var (from, to) = (words[i].Index, words[i + count - 1].Index + words[i + count - 1].Length);
                var name = line.Text[from..to];
                // Behind a name in quotation marks a number is how many, whatever begins with it.
                if (char.IsAsciiDigit(name[0]) && line.Text.AsSpan(0, from).IndexOfAnyInRange(LineText.FirstKept, LineText.LastKept) >= 0)
                {
                    continue;
                }

                if (Joined(line.Text, words, i, count) && !IsCommon(name, count, line.Text, to) && catalogue.Find(name.Replace('/', ' ')) is { } exercise)
                {
                    return line.Keep(from, to - from, exercise, count);
                }
            }

            if (words[i].Value.Equals("for", StringComparison.OrdinalIgnoreCase) && i + 1 < words.Count && !char.IsAsciiDigit(words[i + 1].Value[0])
                && !ShorthandWords.Groups.Any(g => line.Text.AsSpan(words[i + 1].Index).StartsWith(g, StringComparison.OrdinalIgnoreCase)))
            {
                break;
            }
        }

        return line;
    }

    // A word of the language is one before it is a name, and a number is a number.
    private static bool IsCommon(string name, int count, string text, int end) =>
        (count == 1 && (ShorthandWords.IsVocabulary(name) || char.IsAsciiDigit(name[0]) || name.ToLowerInvariant() is "flys" or "flies"))
        || (text.Contains('+', StringComparison.Ordinal) && name.Split(' ', '-').All(ShorthandWords.IsVocabulary))
        || (count < 3 && char.IsAsciiDigit(name[0]) && !(name.Length > 2 && (char.IsLetter(name[1]) || (name[1] == '-' && char.IsLetter(name[2])))) && text.AsSpan(end).TrimStart().StartsWith("x", StringComparison.OrdinalIgnoreCase))
        || (char.IsAsciiDigit(name[^1]) && end < text.Length && text[end] is '%' or ':' or '.' or '/' or '-')
        || (char.IsAsciiDigit(name[0]) && end > name.Length && text[end - name.Length - 1] is ':' or '.' or '/' or '-' or ',' or '@');

    private static bool Joined(string text, MatchCollection words, int first, int count)
    {
        for (var i = first; i < first + count - 1; i++)
        {
            var between = text.AsSpan(words[i].Index + words[i].Length, words[i + 1].Index - words[i].Index - words[i].Length);
            if (between is not (" " or "-" or "/" or "  "))
            {
                return false;
            }
        }

        return true;
    }
}
