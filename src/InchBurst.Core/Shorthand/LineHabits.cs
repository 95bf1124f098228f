using System.Globalization;
using System.Text.RegularExpressions;
using InchBurst.Core.Catalogue;

namespace InchBurst.Core.Shorthand;

/// <summary>One way people write something, and how the language writes it.</summary>
/// <param name="Pattern">What is looked for.</param>
/// <param name="With">What stands in its place.</param>
/// <param name="Example">A line that is written so; every one of them is a test.</param>
/// <param name="Reads">The same line in the language's own words.</param>
internal sealed record Habit(Regex Pattern, string With, string Example, string Reads)
{
    /// <summary>What stands in its place where that must be reckoned, or null.</summary>
    public Func<Match, string>? Make { get; init; }

    private readonly IReadOnlyList<string[]> needs = HabitNeeds.Of(Pattern.ToString());

    /// <summary>
    /// What a pattern finds, or something else where it takes too long. The limit is of the clock on the wall, which goes on while a machine that has much else to do lets a line wait: so it is tried once more.
    /// </summary>
    /// <param name="found">Tries the pattern.</param>
    /// <param name="tooLong">What stands for a pattern that gives up.</param>
    public static T InTime<T>(Func<T> found, T tooLong)
    {
        for (var left = 2; left > 0; left--)
        {
            try
            {
                return found();
            }
            catch (RegexMatchTimeoutException)
            {
            }
        }

        return tooLong;
    }

    /// <summary>False where a line cannot have this habit, which is known sooner than by trying.</summary>
    /// <param name="line">The line in small letters.</param>
    public bool MayFit(string line)
    {
        foreach (var need in needs)
        {
            var isThere = false;
            foreach (var text in need)
            {
                if (line.Contains(text, StringComparison.Ordinal))
                {
                    isThere = true;
                    break;
                }
            }

            if (!isThere)
            {
                return false;
            }
        }

        return true;
    }
}

/// <summary>
/// How coaches write lines, brought into the language's own words one habit after another, in the order of the table. A line that is written
/// as the program prints it needs none of them.
/// </summary>
public static partial class LineHabits
{
    // Pieces of patterns: a number, units of length and of time, a time, a time or a band of times, an exercise or quoted text.
    private const string One = @"\d{1,6}(?:\.\d{1,4})?";
    private const string D = One + @"(?:\s*-\s*" + One + ")?";
    private const string U = @"(?:metres?|meters?|mtrs?|m|yards?|yds?|yd|feet|foot|ft)(?![\p{L}\d])";
    private const string T = @"(?:seconds?|secs?|s|minutes?|mins?|min)(?![\p{L}\d])";
    private const string Time = @"(?:\d{1,3}:[0-5]\d|" + D + @"\s*" + T + ")";
    private const string Times = @"(?:(?:\d{1,3}:[0-5]\d|" + D + @")\s*(?:-|to)\s*)?" + Time;
    private const string Name = LineText.KeptClass;
    private const string SaidClass = LineText.SaidClass;
    private const string Count = @"(?>\d{1,3}(?:-\d{1,3})?)(?![\d.:])";
    private const string Resting = @"(?:rests?|recovery|recoveries|recover|recov|rec|pauses?|breaks?|breather|r)(?!\p{L})";
    private const string Role = @"(?:build|fly|fast|float|slow|up|back|run)(?![\p{L}\d])";
    private const string Stretch = @"(?:" + D + @"\s*" + U + @"(?:\s*" + Role + @")?|" + D + @"\s*" + Role + ")";
    // Each part of a chain is taken whole, so that long ones cost no more than they are long.
    private const string Chain = @"(?>(?:" + D + @"\s*(?:" + U + @"\s*)?(?:" + Role + @"\s*)?\+\s*)*)" + Stretch;
    private const string Runs = @"(?:sprints?|dash(?:es)?|runs?|bursts?|efforts?|reps?|times|bouts?|goes|accelerations?|accels?)(?![\p{L}\d])";
    private const string Efforts = @"(?:sprints?|dash(?:es)?|runs?|bursts?|accelerations?|accels?|starts?|efforts?)(?![\p{L}\d])";
    private const string B = @"(?<![\p{L}\d])";
    private const string E = @"(?![\p{L}\d])";

    private const string Moves = @"(?:backpedal|shuffle|crossover|jog|sprint|skip|walk|bound|hop|march)";
    private const string Then = @"(?:backpedal|shuffle|crossover|sprint|skip|bound|hop|march)";
    private const string Beginning = @"(?<=^\s*|[,;]\s*|of\s+|x\s+)";
    private const string InWords = @"(?=\s+(?:(?:x|sets?|reps?|sprints?|runs?|rounds?|times|passes)" + E + @"|\d))";
    private const string NoNumberBefore = @"(?<!\d\s*(?:" + U + @")?\s*)" + B;

    private static string OfWord(string word) => word.ToLowerInvariant() switch { "two" => "2", "three" => "3", "four" => "4", "five" => "5", "six" => "6", "eight" => "8", _ => "10" };

    private static double Seconds(string metres, double speed) => Math.Round(Parsed(metres) / speed);

    // Slower than this in m/s a time behind a distance is no time to run it in, but when to start the next one.
    private const double LeastRunSpeed = 3;

    // A third of the length that is said in the second place; of one that has no whole third, each part is that long.
    private static string Third(Match match) => (Parsed(match.Groups[2].Value) is var whole && whole % 3 == 0 ? whole / 3 : whole).ToString("0.#", CultureInfo.InvariantCulture);

    // A time behind a length that is one to run it in, and no rest.
    private static bool IsPace(string metres, string seconds) => Parsed(metres) / Parsed(seconds) is >= LeastPace and <= MostPace;

    /// <summary>True where a length may well be run in so many seconds.</summary>
    /// <param name="work">What holds the length, such as 200 m.</param>
    /// <param name="time">The seconds, such as 30 s.</param>
    internal static bool IsRunIn(string work, string time) =>
        LengthIn.Match(work) is { Success: true } far && SecondsIn.Match(time) is { Success: true } seconds && IsPace(far.Groups[1].Value, seconds.Groups[1].Value);

    private static readonly Regex LengthIn = new(@"(?<![\d.])(\d{2,3})\s*m(?:etres?|eters?)?(?![\p{L}\d])", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, TimeSpan.FromMilliseconds(250));

    private static readonly Regex SecondsIn = new(@"^(\d{1,3})\s*s(?:ec(?:ond)?s?)?$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, TimeSpan.FromMilliseconds(250));

    // Nobody rests for fewer seconds than this; from here on a time behind a length may be either.
    private const double LeastRest = 10;

    private const double LeastPace = 5;
    private const double MostPace = 11;

    private static string Fraction(string typed) => typed.ToLowerInvariant() switch { "half" or "1/2" => "50", "1/3" or "third" => "33", "1/4" or "quarter" => "25", "2/3" => "67", _ => "75" };

    private static double Parsed(string number) => double.Parse(number, CultureInfo.InvariantCulture);

    // So many minutes of work and rest by the clock are so many reps.
    private static string OnOff(string sets, string minutes, string on, string off)
    {
        var (work, rest) = (Parsed(on), Parsed(off));
        return $" {sets} {Math.Max(1, Math.Round(Parsed(minutes) * 60 / Math.Max(1, work + rest)))} x {work} s rest {rest} s ";
    }

    private static Habit Of(string pattern, string with, string example, string reads) => new(new(pattern, RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, TimeSpan.FromMilliseconds(250)), with, example, reads);

    // Words that stand in some pattern, which somebody has thought of.
    private static readonly Lazy<HashSet<string>> KnownWords = new(() => [.. BeforeNames.Concat(AfterNames).SelectMany(h => PatternWords().Matches(PatternSigns().Replace(h.Pattern.ToString(), " ")).Select(m => m.Value))]);

    /// <summary>True for a word that some habit looks for.</summary>
    /// <param name="word">The word in small letters.</param>
    internal static bool Knows(string word) => KnownWords.Value.Contains(word) || ShorthandWords.IsVocabulary(word);

    [GeneratedRegex(@"\\p\{\w+\}|\\.")]
    private static partial Regex PatternSigns();

    [GeneratedRegex(@"[a-z]{3,}")]
    private static partial Regex PatternWords();

    /// <summary>For each habit a line that has it, and the same line in the language's own words.</summary>
    public static IReadOnlyList<(string Typed, string Reads)> Examples => [.. BeforeNames.Concat(AfterNames).Select(h => (h.Example, h.Reads))];

    /// <summary>Patterns that give up on a line, for tests: there is to be none.</summary>
    /// <param name="line">The line.</param>
    public static IReadOnlyList<string> Slow(string line)
    {
        var text = LineText.Of(line).Text;
        return [.. BeforeNames.Concat(AfterNames).Where(h => Habit.InTime(() => h.Pattern.Matches(text).Count < 0, true)).Select(h => h.Example)];
    }

    /// <summary>Habits that fit a line though it does not hold what they are said to need, for tests: there is to be none.</summary>
    /// <param name="line">The line.</param>
    public static IReadOnlyList<string> LeftOut(string line)
    {
        var text = LineText.Of(line);
        return [.. BeforeNames.Concat(AfterNames).Where(h => !h.MayFit(text.Small) && Habit.InTime(() => h.Pattern.IsMatch(text.Text), true)).Select(h => h.Example)];
    }

    /// <summary>How many habits are tried on a line, and how many there are.</summary>
    /// <param name="line">The line.</param>
    public static (int Tried, int All) Tried(string line)
    {
        var text = LineText.Of(line);
        return (BeforeNames.Concat(AfterNames).Count(h => h.MayFit(text.Small)), BeforeNames.Count + AfterNames.Count);
    }

    /// <summary>The line with every habit in the language's own words, and its exercise set aside.</summary>
    /// <param name="line">The line.</param>
    /// <param name="catalogue">Known exercises.</param>
    internal static LineText Settle(LineText line, ExerciseCatalogue catalogue)
    {
        foreach (var habit in BeforeNames)
        {
            line = line.Replace(habit);
        }

        line = KeepName(Begun(Kitted(line, catalogue), catalogue), catalogue, false);
        foreach (var habit in AfterNames)
        {
            line = line.Replace(habit);
        }

        return line;
    }
}
