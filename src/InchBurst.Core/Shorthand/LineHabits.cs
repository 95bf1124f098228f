using System.Globalization;
using System.Text.RegularExpressions;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;

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
}

/// <summary>
/// How coaches write lines, brought into the language's own words one habit after another, in the order of the table. A line that is written
/// as the program prints it needs none of them.
/// </summary>
public static class LineHabits
{
    // Pieces of patterns: a number, units of length and of time, a time, a time or a band of times, an exercise or quoted text.
    private const string One = @"\d{1,6}(?:\.\d{1,4})?";
    private const string D = One + @"(?:\s*-\s*" + One + ")?";
    private const string U = @"(?:metres?|meters?|mtrs?|m|yards?|yds?|yd|feet|foot|ft)(?![\p{L}\d])";
    private const string T = @"(?:seconds?|secs?|s|minutes?|mins?|min)(?![\p{L}\d])";
    private const string Time = @"(?:\d{1,3}:[0-5]\d|" + D + @"\s*" + T + ")";
    private const string Times = @"(?:(?:\d{1,3}:[0-5]\d|" + D + @")\s*(?:-|to)\s*)?" + Time;
    private const string Name = LineText.KeptClass;
    private const string Count = @"(?>\d{1,3}(?:-\d{1,3})?)(?![\d.:])";
    private const string Resting = @"(?:rests?|recovery|recoveries|recover|recov|rec|pauses?|breaks?|breather|r)(?!\p{L})";
    private const string Role = @"(?:build|fly|fast|float|slow|up|back|run)(?![\p{L}\d])";
    private const string Stretch = @"(?:" + D + @"\s*" + U + @"(?:\s*" + Role + @")?|" + D + @"\s*" + Role + ")";
    // Each part of a chain is taken whole, so that long ones cost no more than they are long.
    private const string Chain = @"(?>(?:" + D + @"\s*(?:" + U + @"\s*)?(?:" + Role + @"\s*)?\+\s*)*)" + Stretch;
    private const string Runs = @"(?:sprints?|dash(?:es)?|runs?|efforts?|reps?|times|bouts?|goes|accelerations?|accels?)(?![\p{L}\d])";
    private const string Efforts = @"(?:sprints?|dash(?:es)?|runs?|accelerations?|accels?|starts?|efforts?)(?![\p{L}\d])";
    private const string B = @"(?<![\p{L}\d])";
    private const string E = @"(?![\p{L}\d])";

    private const string Moves = @"(?:backpedal|shuffle|crossover|jog|sprint|skip|walk|bound|hop|march)";
    private const string Then = @"(?:backpedal|shuffle|crossover|sprint|skip|bound|hop|march)";
    private const string Beginning = @"(?<=^\s*|[,;]\s*|of\s+|x\s+)";
    private const string InWords = @"(?=\s+(?:(?:x|sets?|reps?|sprints?|runs?|rounds?|times|passes)" + E + @"|\d))";
    private const string NoNumberBefore = @"(?<!\d\s*(?:" + U + @")?\s*)" + B;

    private static string OfWord(string word) => word.ToLowerInvariant() switch { "two" => "2", "three" => "3", "four" => "4", "five" => "5", "six" => "6", "eight" => "8", _ => "10" };

    private static double Seconds(string metres, double speed) => Math.Round(Parsed(metres) / speed);

    // A third of the length that is said in the second place.
    private static string Third(Match match) => (Parsed(match.Groups[2].Value) / 3).ToString("0.#", CultureInfo.InvariantCulture);

    private static double Parsed(string number) => double.Parse(number, CultureInfo.InvariantCulture);

    // So many minutes of work and rest by the clock are so many reps.
    private static string OnOff(string sets, string minutes, string on, string off)
    {
        var (work, rest) = (Parsed(on), Parsed(off));
        return $" {sets} {Math.Max(1, Math.Round(Parsed(minutes) * 60 / Math.Max(1, work + rest)))} x {work} s rest {rest} s ";
    }

    private static Habit Of(string pattern, string with, string example, string reads) => new(new(pattern, RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, TimeSpan.FromMilliseconds(250)), with, example, reads);

    /// <summary>For each habit a line that has it, and the same line in the language's own words.</summary>
    public static IReadOnlyList<(string Typed, string Reads)> Examples => [.. BeforeNames.Concat(AfterNames).Select(h => (h.Example, h.Reads))];

    /// <summary>Patterns that give up on a line, for tests: there is to be none.</summary>
    /// <param name="line">The line.</param>
    public static IReadOnlyList<string> Slow(string line)
    {
        bool GivesUp(Habit habit)
        {
            try
            {
                return habit.Pattern.Matches(LineText.Of(line).Text).Count < 0;
            }
            catch (RegexMatchTimeoutException)
            {
                return true;
            }
        }

        return [.. BeforeNames.Concat(AfterNames).Where(GivesUp).Select(h => h.Example)];
    }

    /// <summary>Habits that hold words which might be taken for a name of an exercise; they come before names are looked for.</summary>
    internal static IReadOnlyList<Habit> BeforeNames { get; } =
    [
        // Signs and words of one meaning.
        Of(@"(?<=\d\s*(?:m|yd))\s*x\s*(?=\d)", " x ", "30m*6", "6 x 30 m"),
        Of(@"(?<=\p{L}|\d')\s-\s(?=\d)(?!" + D + @"\s*" + U + @"(?!\s*x))", ", ", "6 x 30 m - 3 min", "6 x 30 m rest 3:00"),
        Of(B + @"(two|three|four|five|six|eight|ten)\s+times" + E, "", "30 metres six times", "6 x 30 m") with { Make = m => $"{OfWord(m.Groups[1].Value)} times" },
        Of(@"^\s*(two|three|four|five|six|eight|ten)\s+(?!points?" + E + @"|cones?" + E + @"|leg|hop)(?=(?:\p{L}+[ -]){0,3}\p{L}+s\s*$)", "", "five block starts", "block start 5 x 20 m") with { Make = m => OfWord(m.Groups[1].Value) + " " },
        Of(@"\(\s*r\s*=\s*(" + Time + @")\s*[,;/]?\s*r\s*=\s*(" + Time + @")\s*\)", " rest $1/$2 ", "3 x 3 x 30 m (r = 3 min, R = 6 min)", "3 x 3 x 30 m rest 3:00/6:00"),
        Of(@"(?:rests?\s*)?(?<![\d.])(" + Time + @")\s*(?:between\s*)?reps?\s*[,/;]?\s*(?:and\s*)?(?<![\d.])(" + Time + @")\s*(?:between\s*)?sets?" + E, " rest $1/$2 ", "3 x 3 x 30 m rest 3 min reps 6 min sets", "3 x 3 x 30 m rest 3:00/6:00"),
        Of(@"^\s*(?:accelerations?|accels?|sprints?|runs?|starts?)\s+(?:over|of|to)\s+(?=\d)", "", "accelerations over 30 m x 4", "4 x 30 m"),
        Of(B + @"starting\s+from" + E, "from", "4 x 40 m starting from 3pt", "4 x 40 m from 3-point"),
        Of(@"(?<=build(?:[ -]?up)?\s*(?:\+|,|into|then)\s*(?:" + D + @")\s*(?:" + U + @")?)\s*(?:max(?:imum|imal)?|flat[ -]?out|full(?:\s+speed)?|top(?:\s+speed)?)" + E, " fly ", "30 m build + 20 m max x 3", "3 x 30 build + 20 m fly"),
        Of(@"^\s*(" + Count + @")\s+((?:(?!x\b)\p{L}+[ -]){0,2}(?:bounds|hops|jumps|throws))\s*x\s*(" + Count + @")(?!\s*\d)(?=\s*(?:$|,|rest))", "$2 $3 x $1 reps ", "10 bounds x 3", "alternate bound 3 x 10 reps"),
        Of(@"^\s*(" + Count + @"\s*x\s*)(\d{2,3})\s+(?:at\s+)?(tempo|sprints?|strides?|hills?)\s+(" + Time + @")\s*$", "$3 $1$2 m rest $4", "10x100 tempo 45 secs", "tempo run 10 x 100 m rest 0:45"),
        Of(@"@\s*(?=" + One + @"\s*(?:kg|lb)s?\s*(?:sled|vest|chain))", " ", "6 x 15 m @ 20kg sled", "6 x 15 m sled 20 kg"),
        Of(@"(sled|chain|vest)\s*\(([^()]*)\)", "$1 $2 ", "4 x 20 m sled (10% slower)", "4 x 20 m sled -10%v"),
        Of(@"(?<=\d)\s*%\s*(?:speed\s+)?(?:decrement|drop|decrease)" + E, "% slower", "4 x 20 m sled 10% decrement", "4 x 20 m sled -10%v"),
        Of(B + @"e\s*/\s*s" + E, " each side ", "SL RDL 2 x 8 e/s", "single-leg romanian deadlift 2 x 8 each side"),
        Of(@"(?<=\d\s*x?\s*)(?:each|per|in (?:each|both)|both)\s+directions?" + E, " each side ", "carioca 2 x 20 m each direction", "carioca 2 x 20 m each side"),
        Of(@"^\s*(" + Count + @")\s*x\s+((?:heavy\s+|light\s+)?(?:sled|band|chain|vest|hill|uphill|downhill)s?)\s+(" + D + @"\s*" + U + ")", "$1 x $3 $2", "6 x sled 15 m", "6 x 15 m sled"),
        Of(@"^(.*(?<!\d)(\d{2,3})\s*(?:m|metres?|meters?)\b.*?)\s*,?\s*(?:with\s+|w/\s*)?jog(?:ging)?[ -]?(?:it\s+)?(back|down)(?:\s+(?:recovery|rest|down))?\s*$", "", "hill 6 x 40 m, jog down", "6 x 40 m uphill rest 0:16 cue \"jog back\"") with { Make = m => $"$1 rest {Seconds(m.Groups[2].Value, RepPace.JoggingSpeed)} s jogback" },
        Of(@"^(.*\d\s*(?:m|%|s)\b.*?)\s*,?\s*(?:with\s+|w/\s*)?(\d{2,3})\s*(?:m|metres?|meters?)\s*(?:easy\s+)?jog(?:ging)?(?:\s+(?:recovery|rest|between))?\s*$", "", "8 x 200 m in 32 s, 200 m jog", "8 x 200 m in 32 s rest 1:20") with { Make = m => $"$1 rest {Seconds(m.Groups[2].Value, RepPace.JoggingSpeed)} s" },
        Of(B + @"from\s+(?:an?\s+|the\s+)?(?:split|staggered)[ -]?(?:stance|start)?" + E, " from standing ", "3 x 20 m sprints from a split stance", "3 x 20 m from standing"),
        Of(B + @"from\s+(?:an?|the|your|their)\s+(?=\p{L}|\d)", "from ", "4 x 20 m from a kneeling start", "4 x 20 m from kneeling"),
        Of(@"^\s*(" + Count + @")\s*(?:starts?|sprints?|runs?|accelerations?|accels?)\s+(?:over|at)\s+(?=\d)", "$1 x ", "4 starts over 20 m", "4 x 20 m"),
        Of(@"(?<=fl(?:y|ying)\s*\d+)'s" + E, "s", "fly 30's x 4", "4 x 30 build + 30 fly + 20 m slow"),
        Of(B + @"(?:efe|easy[ -]fast[ -]easy|float[ -]sprint[ -]float)" + E + @"\s*:?\s*(" + Count + @"\s*x\s*)?(" + One + @")\s*(m|yd)" + E, "", "EFE 4 x 60 m", "4 x 20 float + 20 fast + 20 m float") with { Make = m => $"$1 {Third(m)} float + {Third(m)} fast + {Third(m)} $3 float" },
        Of(@"(?<=" + B + @"(?:hex|trap)[ -]bar\s+|^\s*)dead(?:s)?(?=\s+\d)", "deadlift", "deads 3 x 5", "deadlift 3 x 5"),
        Of(@"^\s*split[ -]runs?\s*:?\s*(?=\d)", "", "split runs 2 x 80 m", "2 x 80 m"),
        Of(@"^\s*(?:easy|fast)[ -](?:fast|easy)[ -](?:easy|fast)\s*(\d+)\s*/\s*(\d+)\s*/\s*(\d+)", " $1 float + $2 fast + $3 float ", "easy fast easy 20/20/20 x 3", "3 x 20 float + 20 fast + 20 m float"),
        Of(@"(\d{2,3})\s*(?:deg(?:ree)?s?|°)\s+(?=cuts?|turns?)", "$1-degree ", "45 deg cuts x 3 each side", "cut forty-five 3 x 8 + cut 45 + 8 m each side"),
        Of(@"^\s*(" + Count + @")\s*\(\s*(?=" + Count + @"\s*x\s*\d)", "$1 x (", "2(3 x 60 m) 5'/10'", "2 x 3 x 60 m rest 5:00/10:00"),
        Of(@"(?<=" + U + @"\s*\)?\s*,?\s*)(" + Time + @")\s*,\s*(?:and\s*)?(" + Time + @")\s*(?:" + Resting + @"\s*)?between\s+(?:the\s+)?sets", " rest $1/$2 ", "repeated sprints 2 x (6 x 30 m) 25 s, 4 min between sets", "repeat sprints 2 x 6 x 30 m rest 0:25/4:00"),
        Of(@"^(.*\d\s*(?:" + U + @")?\s*(?:tempo\b.*|@?\s*\d+\s*%\s*)?),?\s*" + B + @"walk(?:ing)?\s+(?:back\s+)?(\d{2,3})\s*(?:m|metres?|meters?)?\s*(?:recovery|rest|between)?\s*$", "", "6 x 150 m 70% walk 50", "6 x 150 m @70% rest 0:36") with { Make = m => $"$1 rest {Math.Round(Parsed(m.Groups[2].Value) / RepPace.WalkingSpeed)} s" },
        Of(@"(?<![\d.-])(" + One + @")\s*s(?:ec(?:ond)?s?)?\s*(?:on|hard|work)\s*[,/&]?\s*(?:and\s*)?(" + One + @")\s*s(?:ec(?:ond)?s?)?\s*(?:off|easy|rest)\s*,?\s*(?:for\s*)?(\d{1,2})\s*(?:minutes?|mins?|min)" + E, "", "15 s on 15 s off for 6 minutes", "12 x 15 s rest 0:15") with { Make = m => OnOff("", m.Groups[3].Value, m.Groups[1].Value, m.Groups[2].Value) },
        Of(@"^\s*(" + Count + @"\s*x\s*)?(\d{1,2})\s*(?:minutes?|mins?|min)\s*(?:of\s*|at\s*|:\s*)?(\d\d)\s*(?:s\s*)?[/:-]\s*(\d\d)s?" + E, "", "2 x 8 min 15/15", "2 x 16 x 15 s rest 0:15") with { Make = m => OnOff(m.Groups[1].Value, m.Groups[2].Value, m.Groups[3].Value, m.Groups[4].Value) },
        Of(@"(?<=^[^()]*" + U + @"\s*)\(\s*(" + One + @")\s*\+\s*(\1)\s*\)", " in two $1 up + $2 back ", "6 x 40 m (20+20) 20 s rest", "6 x 20 up + 20 m back rest 0:20"),
        Of(@"\d+\s*" + U + @"\s*in two\s*(" + One + @") up \+ (" + One + ") back", "$1 up + $2 back", "6 x 30 m (15+15) rest 20 s", "6 x 15 up + 15 m back rest 0:20"),
        Of(@"(?<=" + U + @"|\d)\s+off\s+(" + Time + @")\s*$", " rest $1", "5 x 30 m off 90 s", "5 x 30 m rest 1:30"),
        Of(@"(?<=" + U + @"|\d)\s+off\s+(\d{1,2})\s*$", " rest $1", "6 x 40 m off 45 s", "6 x 40 m rest 0:45"),
        Of(@"^(.*\d\s*" + U + @".*?)\s*,?\s*" + B + @"build(?:ing)?(?:[ -]?ups?)?\s+(?:up\s+)?to\s+(?:about\s+)?(" + D + @")\s*%(.*)$", "build-up $1 @$2% $3", "5 x 60 m build to 90%", "build-up 5 x 60 m @90%"),
        Of(@"^\s*(10|15|20|30|40|45|60)\s*:\s*(10|15|20|30|40|45|60)(?:\s*s(?:ec(?:ond)?s?)?)?\s*x\s*(" + Count + ")", "$3 x $1 s rest $2 s", "15:15 x 10 at 100% MAS", "10 x 15 s 100% aerobic rest 0:15"),
        Of(@"(?:@|" + B + @"at)?\s*(" + D + @")\s*%\s*(?:of\s+)?(?:max(?:imum|imal)?\s+)?(?:hr[ -]?max|mhr|hr|heart[ -]?rate)" + E, " attopheart $1 ", "4 x 4 min @ 90% HR rest 3 min", "4 x 4 min rest 3:00 cue \"90% of top heart rate\""),
        Of(B + @"z(?:one)?\s*([1-5])" + E, " inzone $1 ", "20 min bike zone 2", "bike intervals 20 min cue \"zone 2\""),
        Of(B + @"band[ -](?:assisted|aided)(?:\s+(?:sprints?|runs?|starts?|accelerations?))?" + E, " tow ", "band assisted sprints 3 x 30 m", "3 x 30 m tow"),
        Of(@"(?<=^(?:" + Count + @"\s*x\s*)?)(?<!\p{L}\s)" + B + @"sprint\s*(" + One + @")\s*(?:" + U + @")?\s*[,+/]?\s*(?:then\s*)?(?:float|easy|coast|relax(?:ed)?)\s*(" + One + @")\s*(?:" + U + @")?\s*[,+/]?\s*(?:then\s*)?(?:sprint|fast)\s*(" + One + @")\s*(" + U + ")?", " $1 fast + $2 float + $3 $4 fast ", "sprint 30 float 20 sprint 30 x 3", "3 x 30 fast + 20 float + 30 m fast"),
        Of(B + @"in\s*(?:&|and|n|-)\s*outs?(?=.*\()|" + B + @"ins\s*(?:&|and|n)\s*outs(?=.*\()", " ", "in and out 2 x 60 m (20/20/20)", "2 x 20 fast + 20 float + 20 m fast"),
        Of(@"(?<=\d\s*(?:" + U + @")?\s*)\d+\s*" + U + @"\s*\(\s*(" + One + @")\s*[-/]\s*(" + One + @")\s*[-/]\s*(" + One + @")\s*[-/]\s*(" + One + @")\s*\)|(?<=x\s*)\d+\s*" + U + @"\s*\(\s*(" + One + @")\s*[-/]\s*(" + One + @")\s*[-/]\s*(" + One + @")\s*[-/]\s*(" + One + @")\s*\)", "$1$5 fast + $2$6 float + $3$7 fast + $4$8 float", "ins and outs 3 x 80 m (20/20/20/20)", "3 x 20 fast + 20 float + 20 fast + 20 m float"),
        Of(@"(?<=x\s*)\d+\s*" + U + @"\s*\(\s*(" + One + @")\s*[-/]\s*(" + One + @")\s*[-/]\s*(" + One + @")\s*\)", "$1 fast + $2 float + $3 fast", "3 x 60 m (20/20/20)", "3 x 20 fast + 20 float + 20 m fast"),
        Of(B + @"back[ -]pedal(?:s|ling)?" + E, "backpedal", "back pedal 2 x 10 m into 10 m sprint", "2 x 10 backpedal + 10 m sprint"),
        Of(@"(?<!\d\s*(?:" + U + @")?\s*)" + B + @"(" + Moves + @")\s*(\d{1,2})\s*(" + U + @")?\s*(?:,|\+|/|&|->)?\s*(?:and\s+|then\s+|into\s+|to\s+)?(?:an?\s+)?(" + Then + @")\s*(\d{1,2})\s*(" + U + @")?\s*x\s*(\d{1,2})(?!\d|\s*" + U + ")", "$7 x $2 $3 $1 + $5 $6 $4 ", "sprint 10 backpedal 10 x 4", "4 x 10 sprint + 10 m backpedal"),
        Of(@"(?<!\d\s*(?:" + U + @")?\s*)" + B + @"(" + Moves + @")\s*(\d{1,2})\s*(" + U + @")?\s*(?:,|\+|/|&|->)?\s*(?:and\s+|then\s+|into\s+|to\s+)?(?:an?\s+)?(" + Then + @")\s*(\d{1,2})(?!\d|\s*x\s*\d+\s*" + U + @")\s*(" + U + ")?", " $2 $3 $1 + $5 $6 $4 ", "shuffle 5, sprint 10 m", "5 shuffle + 10 m sprint"),
        Of(@"(?<![@\d.,-]\s*)(?<!" + B + @"at\s+)(?<![\d.])(\d{1,2})\s*%\s*(sled|chain|vest)" + E + @"(?!\s*[-+\d])", "$2 $1% ", "5 x 15 m 30% sled bodyweight", "5 x 15 m sled 30%bm"),
        Of(@"(\d{1,2})\s*(" + U + @")?\s*(" + Moves + @")\s*(?:,|\+|/|&|->)?\s*(?:and\s+|then\s+|into\s+|to\s+)(?:an?\s+)?(\d{1,2})\s*(" + U + @")?\s*(" + Moves + ")", " $1 $2 $3 + $4 $5 $6 ", "4 x 5 m shuffle into 10 m sprint", "4 x 5 shuffle + 10 m sprint"),
        Of("(" + Moves + @")\s*(" + Count + @"\s*x)\s*(\d{1,2})\s*(" + U + @")?\s*(?:,|\+|&|->)?\s*(?:and\s+|then\s+|into\s+|to\s+)(?:an?\s+)?(" + Moves + @")\s*(\d{1,2})\s*(" + U + ")?", "$2 $3 $4 $1 + $6 $7 $5 ", "backpedal 3 x 15 m into sprint 15 m", "3 x 15 backpedal + 15 m sprint"),
        Of(B + @"(\d{1,2})\s*(?:x\s*)?(?:unloaded|free|unresisted)\s+(?=\d+\s*" + U + ")", "$1 x ", "2 free 20 m", "2 x 20 m"),
        Of(@"^\s*(" + Moves + @")\s*(" + Count + @"\s*x)\s*(\d{1,2})\s*(" + U + @")?\s*(?:,|\+|&|->)?\s*(?:and\s+|then\s+|into\s+|to\s+)(?:an?\s+)?(\d{1,2})\s*(" + U + @")?\s*(" + Moves + ")", "$2 $3 $4 $1 + $5 $6 $7 ", "shuffle 3 x 5 m into 10 m sprint", "3 x 5 shuffle + 10 m sprint"),
        Of(@"(?<=^[^x]*\d)\s*by\s*(?=\d)", " x ", "6 by 20 m", "6 x 20 m"),
        Of(B + @"(dead[ -]?lifts?)" + E + @"(.*?)" + B + @"(?:with\s+|w/\s*)?(?:an?\s+)?(?:hex|trap)[ -]bar" + E, "trap bar deadlift $2", "deadlift 3 x 5 hex bar 100 kg", "deadlift 3 x 5 reps 100 kg"),
        Of(@"^\s*505s?(?=\s*(?:$|:|,|drills?|tests?|" + Count + @"\s*(?:x|reps?|times|each|per|/)|x\s*\d))(?:\s*(?:drills?|tests?)" + E + ")?", "five-o-five ", "505 4 reps each leg", "ten-and-back 4 x 5 + turn 180 + 5 m each side"),
        Of(@"^\s*(?:rest|pause|break)\s*:?\s*(?:of\s*|for\s*)?(" + Time + @")\s*$", "drinks $1", "rest 5 min", "water break 5 min"),
        Of(@"^\s*(?:water|drinks?|toilet)[ -]?breaks?\s*:?\s*(?=\d|$)", "drinks ", "water break 3 min", "water break 3 min"),
        Of(@"^\s*(" + Time + @")\s*(?:rest|pause|break|(?:water|drinks?|toilet)[ -]break)\s*$", "drinks $1", "5 min break", "water break 5 min"),

        Of(@"^\s*(" + D + @"\s*" + T + @")\s*/\s*(" + D + @"\s*" + T + @")\s*x\s*(" + Count + ")", "$3 x $1 rest $2", "30s/30s x 6", "6 x 30 s rest 0:30"),
        Of(@"^\s*timed\s+(?=\d)(.*)$", "$1 timed", "timed 30 m x 3", "3 x 30 m log time"),
        Of(@"\(\s*timed\s*\)", " timed ", "3 x 40 m (timed)", "3 x 40 m log time"),
        Of(@"(?:,|" + B + @"for" + E + @")\s*(?:the\s+)?(\p{L}{3,}(?:\s\p{L}+)?)\s+only\s*$", " for $1 ", "4 x 20 m, backs only", "4 x 20 m for \"backs\""),
        Of(@"(?<=\d\s*" + U + @"\s*)(?:free|unloaded|unresisted)(?:\s+(?:sprints?|runs?))?\s*$", " ", "3 x 20 m free", "3 x 20 m"),
        Of(@"^\s*row(?:ing)?s?(?=\s.*\d\s*(?:" + U + "|" + T + "))", "rowing machine", "row 5 x 500 m", "rowing machine 5 x 500 m"),
        Of(@"^\s*(?:warm[ -]?up|cool[ -]?down)\s*:\s*(?=" + Time + @"\s+(?:\p{L}+\s+)?(?:jog|walk|run|skip|bike|row|cycle))", "", "warm up: 8 min easy jog", "easy jog 8 min"),
        Of(@"(?<=x\s*)" + D + @"\s*" + U + @"\s*(?=(?:sprint|fast|hard)\s*\d+\s*(?:" + U + @")?\s*[,+/]?\s*(?:and\s*|then\s*)?(?:easy|float|jog|coast|relax(?:ed)?)\s*\d)", " ", "4 x 80 m sprint 40 coast 40", "4 x 40 fast + 40 m float"),
        Of(@"(?<=x\s*)\(\s*(" + D + @"\s*" + U + @")\s*(?:sprint|fast|hard)\s*[,+/]\s*(" + D + @"\s*" + U + @")\s*(?:float|easy|coast|relaxed)\s*[,+/]\s*(" + D + @"\s*" + U + @")\s*(?:sprint|fast|hard)\s*\)", "$1 fast + $2 float + $3 fast", "4 x (20 m sprint, 20 m float, 20 m sprint)", "4 x 20 fast + 20 float + 20 m fast"),
        Of(B + @"w\s+(?=\d)", "w/ ", "step-up 3 x 8 w 15 kg dumbbells", "step-up 3 x 8 reps 2 x 15 kg"),
        Of(@"(?<=\d\s*" + U + @".*)(?:w/|with)?\s*" + B + @"(\d{1,2})\s*" + U + @"\s*splits?" + E, " gates every $1 ", "3 x 30 m with 10 m splits", "3 x 30 m gates 10,20,30"),
        Of(@"(?<=\d\s*" + U + @"\s*)(?:time[ -]trials?|tests?|tt)" + E, " timed ", "30 m time trial x 2 rest 5 min", "2 x 30 m rest 5:00 log time"),
        Of(@"^\s*((?:" + Count + @"\s*x\s*)?\d{3,4}\s*" + U + @")\s*(?:row(?:ing|s|er)?|erg)" + E, "rowing machine $1", "500 m row x 4 rest 2 min", "rowing machine 4 x 500 m rest 2:00"),
        Of(@"^\s*(?:top[ -]speed|max(?:imum|imal)?[ -]?(?:vel(?:ocity)?|v|speed))(?:\s+(?:runs?|sprints?))?\s*:?\s*(?=(?:" + Count + @"\s*x\s*)?(?:[5-9]\d|1\d\d)\s*(?:m|yd)?" + E + @")(.*)$", "$1 full", "max v: 4 x 60 m", "4 x 60 m full"),
        Of(@"^\s*(\d{3})\s*x\s*(\d{1,2})(?!\s*(?:x|\d|" + U + "|" + T + "))", "$2 x $1 m", "300 x 2 rest 8 min", "2 x 300 m rest 8:00"),
        Of(@"^\s*resisted\s+(?:(?:sprints?|runs?|starts?)\s+)?(?=.*" + B + "(?:sleds?|bands?|chains?|vest|parachute|chute|partner)" + E + ")", "", "resisted 10 m x 6 band", "6 x 10 m band"),
        Of(@"(" + D + @"\s*" + U + @")\s*\(\s*(" + D + @"\s*(?:" + U + @")?)\s*(?:(?:there|out|up|down)\s*(?:and|&)\s*back|each way)\s*\)", "$2 up + $2 back", "6 x 40 m (20 there and back)", "6 x 20 up + 20 m back"),
        Of(@"^(?=.*\d\s*" + U + @")(.*?)" + B + @"progressive(?:ly)?(?:\s+(?:runs?|sprints?))?\s*$", "build-up $1", "4 x 30 m progressive", "build-up 4 x 30 m"),
        Of(@"\(\s*(" + D + @"\s*" + U + @"\s*(?:run[- ]?in|build(?:[- ]?up)?|lead[- ]?in|run[- ]?up|approach))\s*\)", ", $1 ", "fly 20 m (30 m run in) x 4", "4 x 30 build + 20 m fly"),
        Of(@"(?<=x\s*)" + D + @"\s*(?:" + U + @"\s*[:=]|(?:" + U + @")?\s*\()\s*(?=" + D + @"\s*(?:" + U + @")?\s*(?:build|fly|fast|float|slow)" + E + @")|^\s*" + D + @"\s*" + U + @"\s*[:(=]\s*(?=" + D + @"\s*(?:" + U + @")?\s*(?:build|fly|fast|float|slow)" + E + ")", "", "60 m: 20 build, 20 fly, 20 slow x 3", "3 x 20 build + 20 fly + 20 m slow"),
        Of(@"(?<=" + D + @"\s*(?:" + U + @")?\s*(?:build|fly|fast|float|slow)\s*)\)", " ", "120 m (40 build 40 fast 40 float) x 3", "3 x 40 build + 40 fast + 40 m float"),
        Of(B + @"(?:at\s+)?race[ -](?:pace|speed|effort|intensity)" + E, " full ", "3 x 60 m race pace 6 min", "3 x 60 m full rest 6:00"),
        Of(@"(?<!\d\s*(?:" + U + @"\s*)?)" + B + @"(?:build(?:ing)?(?:[- ]up)?)\s*(" + D + @")\s*(" + U + @")?\s*,?\s*(?:then\s*)?(?:hold|fly|flying|max|fast|sprint)\s*(?:for\s*)?(" + D + @")\s*(" + U + ")?", " $1 $2 build + $3 $4 fly ", "build 20 hold 20 x 4", "4 x 20 build + 20 m fly"),
        Of(B + @"(?:sprint|fast|hard)\s*(" + D + @")\s*(" + U + @")?\s*[,+/]?\s*(?:and\s*|then\s*)?(?:easy|float|jog|coast|relax(?:ed)?)\s*(" + D + @")\s*(" + U + @")?(?!\s*x)(?=\s*(?:x|,|$|rest" + E + "))|" + B + @"(?:sprint|fast|hard)\s*(" + D + @")\s*(" + U + @")?\s*[,+/]?\s*(?:and\s*|then\s*)?(?:easy|float|jog|coast|relax(?:ed)?)\s*(" + D + @")\s*(" + U + @")?(?=\s*x\s*\d{1,2}\s*$)", " $1$5 $2$6 fast + $3$7 $4$8 float ", "sprint 30, jog 30 x 5", "5 x 30 fast + 30 m float"),

        // Abbreviations and numbers in words.
        Of(B + @"(?:sl|1[- ]leg(?:ged)?)" + E, "single-leg", "SL hops 2 x 5", "single-leg hop for distance 2 x 5"),
        Of(B + @"mb" + E, "med-ball", "MB slams 3 x 5", "slam 3 x 5"),
        Of(B + @"bb" + E, "barbell", "BB squats 3 x 5", "squat 3 x 5"),
        Of(Beginning + "two" + InWords, "2", "two sets of 4 x 20 m", "2 x 4 x 20 m"),
        Of(Beginning + "three" + InWords, "3", "three 20 m sprints", "3 x 20 m"),
        Of(Beginning + "four" + InWords, "4", "four x 20 m", "4 x 20 m"),
        Of(Beginning + "five" + InWords, "5", "five sprints of 20 m", "5 x 20 m"),
        Of(Beginning + "six" + InWords, "6", "six reps of 20 m", "6 x 20 m"),
        Of(Beginning + "eight" + InWords, "8", "eight runs of 20 m", "8 x 20 m"),
        Of(Beginning + "ten" + InWords, "10", "ten x 10 m", "10 x 10 m"),
        Of(@"^\s*(" + Count + @")\s+(" + D + @"\s*" + U + @")\s*(?:sprints?|dash(?:es)?|runs?|efforts?)" + E, "$1 x $2 ", "4 20 m sprints", "4 x 20 m"),
        Of(@"^\s*(" + Count + @")\s+(\d+)s" + E, "$1 x $2 ", "4 20s", "4 x 20 m"),

        // From so much to so much.
        Of(@"(\d)\s*(?:to|or)\s*(\d+(?:\.\d+)?)(?=\s*(?:x|sets?|reps?|times|" + U + "|" + T + "))", "$1-$2", "2 to 4 x 20 m", "2-4 x 20 m"),

        Of(@"(?<=[\d\s]" + U + @")\s+(\d{1,2}'|\d{1,3}(?:″|''))\s*$", " rest $1", "5x20m 3'", "5 x 20 m rest 3:00"),

        // Times.
        Of(@"(\d)\s*'\s*([0-5]\d)\s*(?:″|'')?" + E, "$1:$2", "5 x 20 m rest 1'30", "5 x 20 m rest 1:30"),
        Of(@"(\d)\s*(?:″|'')", "$1 s ", "5x20m rest 75\"", "5 x 20 m rest 1:15"),
        Of(@"(\d)\s*'(?!\p{L})", "$1 min ", "5x20m rest 3'", "5 x 20 m rest 3:00"),
        Of(@"(?<![\d.])(\d)m([0-5]\d)s" + E, "$1:$2", "5 x 20 m rest 1m30s", "5 x 20 m rest 1:30"),
        Of(@"(\d)\s*(?:minutes?|mins?|min)\s*(?:and\s*)?([0-5]\d)\s*(?:seconds?|secs?|s)" + E, "$1:$2", "5 x 20 m rest 1 min 30 s", "5 x 20 m rest 1:30"),
        Of(B + @"(?:a\s+)?half (?:a )?minute" + E, "30 s", "6 x 20 m half a minute rest", "6 x 20 m rest 0:30"),
        Of(B + @"(?:a|one) minute" + E, "1 min", "6 x 20 m a minute rest", "6 x 20 m rest 1:00"),
        Of(@"½", "1/2", "4 x 60 m ½ pace", "4 x 60 m @50%"),

        // Shuttles by their distances.
        Of(@"(?:repeat\s+)?shuttles?(?:\s+runs?)?\s*(?:of\s*)?(?<!\d)(\d{1,2})\s*[-/,]\s*(\d{1,2})\s*[-/,]\s*(\d{1,2})(?![\d.])\s*(" + U + @")?(?!\s*(?:%|" + T + "))", " $1 $4 up + $1 $4 back + $2 $4 up + $2 $4 back + $3 $4 up + $3 $4 back repeat shuttle ", "shuttles 20/40/60 x 6 1:1", "repeat shuttle 6 x 20 up + 20 back + 40 up + 40 back + 60 up + 60 m back rest 1 to 1"),
        Of(@"(?<!\d)(\d{1,2})\s*[-/]\s*(\d{1,2})\s*[-/]\s*(\d{1,2})(?![\d.])\s*(" + U + @")?\s*(?:repeat\s+)?shuttles?(?:\s+runs?)?" + E, " $1 $4 up + $1 $4 back + $2 $4 up + $2 $4 back + $3 $4 up + $3 $4 back repeat shuttle ", "6 x 20-40-60 shuttle 1:1", "repeat shuttle 6 x 20 up + 20 back + 40 up + 40 back + 60 up + 60 m back rest 1 to 1"),

        // Fast, floating, fast.
        Of(@"(?<=x\s*)" + D + @"\s*" + U + @"\s*(?=(?:sprint[ -]float[ -]sprint|fast[ -]float[ -]fast|ins?[ -](?:(?:and|&|n)[ -])?outs?)" + E + @"\s*:?\s*" + One + @"\s*[-/, ]\s*" + One + @"\s*[-/, ]\s*" + One + ")", "", "3 x 60 m fast float fast 20/20/20", "3 x 20 fast + 20 float + 20 m fast"),
        Of(B + @"(?:sprint[ -]float[ -]sprint|fast[ -]float[ -]fast|ins?[ -](?:(?:and|&|n)[ -])?outs?)" + E + @"\s*:?\s*(" + Count + @"\s*x\s*)?(" + One + @")\s*[-/, ]\s*(" + One + @")\s*[-/, ]\s*(" + One + @")(?![\d.]|\s*[x%])\s*(" + U + ")?", " $1 $2 fast + $3 float + $4 $5 fast ", "ins and outs 3 x 20 20 20", "3 x 20 fast + 20 float + 20 m fast"),

        Of(@"(?<![\d.])(" + One + @")\s*[-/, ]\s*(" + One + @")\s*[-/, ]\s*(" + One + @")\s*(" + U + @")?\s*(?:fast|hard|sprint)[\s,/-]+(?:easy|float|relaxed|coast)[\s,/-]+(?:fast|hard|sprint)" + E, " $1 fast + $2 float + $3 $4 fast ", "4 x 20/20/20 fast easy fast", "4 x 20 fast + 20 float + 20 m fast"),

        // What a rep is to be done in.
        Of(B + @"(?:target(?: time)?|goal(?: time)?|aim(?:ing)?|under|sub|inside|within)\s*(?:(?:for|of|at|is|:|=|-)\s*)?(?=\d)(\d+:\d\d|" + D + @")\s*(?:s|secs?|seconds?)?(?![\w%.:])", " in $1 s ", "10 x 100 m target 18s rest 45 s", "10 x 100 m in 18 s rest 0:45"),

        // Starts at even times.
        Of(B + @"(?:rest\s*)?(?:go(?:es|ing)?\s*|leav(?:e|ing)\s*|start(?:ing)?\s*|one\s*|reps?\s*)?(?:every|each)\s*(" + Time + ")", " rest every $1 ", "8 x 40 m every 90 s", "8 x 40 m rest every 1:30"),
        Of(B + @"(?:rest\s*)?(?:every minute|on the minute|emom|every minute on the minute)" + E, " rest every 1:00 ", "10 x 20 m on the minute", "10 x 20 m rest every 1:00"),
        Of(@"(?<=\d\s*" + U + @"(?:\s*(?:" + Efforts + @"|(?:repeat )?shuttles?|strides?|reps?))?\s*,?\s*)(?:go(?:es|ing)?|leav(?:e|ing))?\s*" + B + @"on\s*(?:an?\s*)?(" + Time + @")(?!\s*(?:,|/)?\s*\d)(?:\s*(?:cycle|clock|interval))?(?!\s*" + Resting + ")", " rest every $1 ", "10 x 20 m on 30 s", "10 x 20 m rest every 0:30"),

        // Rest.
        Of(@"(?:" + B + Resting + @"\s*(?:is|of|:|=|-)?\s*)?(?:,|" + B + @"(?:w/|with|and))?\s*(?<!" + B + @"in\s+|[-:.\d])(" + Times + @")\s*(?:of\s+)?(?:an?\s+)?(?:easy\s+|slow\s+)?walk(?:ing)?[ -]?(?:backs?|recovery|rest)" + E + @"(?:\s+(?:as\s+)?" + Resting + ")?", " rest $1 ", "5 x 30 m w/ 3 min walk back", "5 x 30 m rest 3:00"),
        Of(@"(?<=\d\s*(?:" + U + "|" + T + @"|%|aerobic)[^;]*)(?:,|" + B + @"(?:w/|with|and))?\s*" + B + @"(?<!\d\s*x\s*)(" + Times + @")\s*(?:easy\s+|slow\s+)?(?:walk|jog)(?:ging|ing)?" + E + @"(?:\s*(?:recovery|rest|between))?\s*$", " rest $1 ", "4 x 4 min 95% aerobic, 3 min jog", "4 x 4 min 95% aerobic rest 3:00"),
        Of("^(?!.*" + B + "(?:hard|on|work)" + E + @")(.*\d\s*(?:" + U + "|" + T + @"|%|aerobic|mas).*),\s*(" + Times + @")\s*easy\s*$", "$1 rest $2 ", "6 x 3 min 85% aerobic, 2 min easy", "6 x 3 min 85% aerobic rest 2:00"),
        Of(B + @"r\s*[=:]?\s*(" + Time + @")\s*[,;/]?\s*r\s*[=:]?\s*(" + Time + ")", " rest $1/$2 ", "3 x (5x20) r=1:30 R=4:00", "3 x 5 x 20 m rest 1:30/4:00"),
        Of(@"(?:" + Resting + @"\s*(?:is|of|:|=|-)?\s*)?(?:w/|with|on|the)?\s*" + B + @"\(?(?:an?\s+)?(?:easy\s+|slow\s+)?walk(?:ing|s)?[ -]?backs?" + E + @"(?:\s+down" + E + @")?(?:\s+to (?:the )?start)?(?:\s+(?:(?:as|for)\s+)?(?:the\s+)?" + Resting + @")?\)?", " rest walk-back ", "6x40m, walk-back recovery", "6 x 40 m rest walk-back"),
        Of(B + Resting + @"\s*(?:is|of|:|=|-)?\s*(?:full|complete)" + E + @"(?!\s*\d)", " rest 1:00/10 m ", "4 x 20 m rest full", "4 x 20 m rest 1:00/10 m"),
        Of(B + Resting + @"\s*(?:as|when|by|how)\s+(?:needed|required|ready|feel|you feel)" + E + "|" + B + @"as (?:much )?" + Resting + @"\s*as (?:needed|required)" + E, " restingfreely ", "4 x 20 m rest as needed", "4 x 20 m cue \"rest as needed\""),
        Of(@"(?<=\d\s*x\s*" + D + @"\s*(?:(?:" + U + "|" + T + @")\s*,?\s*|,\s*|\s)|\s*\)\s*,?\s*|%\s*,?\s*)(?<![\d.])(" + Time + @")\s*/\s*(" + Time + @")\s*$", " rest $1/$2 ", "2 x 6 x 40 m 30s/4min", "2 x 6 x 40 m rest 0:30/4:00"),
        Of(@"(?<=\d\s*x\s*\d{1,2}\s*x\s*" + D + @"\s*(?:" + U + "|" + T + @")\s*,?\s*)(" + Time + @")\s*,\s*(" + Time + @")\s*$", " rest $1/$2 ", "2 x 6 x 20 m 20 s, 4 min", "2 x 6 x 20 m rest 0:20/4:00"),
        Of(B + @"(?:w/|with|and|on)?\s*(?:full|complete)\s+" + Resting + @"(?!\s*(?:\d|walk|every))", " rest 1:00/10 m ", "4 x 30 m full recovery", "4 x 30 m rest 1:00/10 m"),
        Of(@"(?:" + Resting + @"\s*(?:is|of|:|=)?\s*)?" + B + "(" + Time + @")\s*(?:" + Resting + @"\s*)?(?:per|for (?:each|every)|each|every|/)\s*(" + D + @")\s*(" + U + @")(?:\s*run)?", " rest $1/$2 $3 ", "4 x 20 m rest 90 s per 10 m", "4 x 20 m rest 1:30/10 m"),
        Of(@"(?:" + Resting + @"\s*(?:is|of|:|=)?\s*)?" + B + "(" + Time + @")\s*(?:" + Resting + @"\s*)?(?:between|after|btw)\s*(?:each\s+)?(?:reps?|runs?)\s*(?:,|and|/|;)?\s*(" + Time + @")\s*(?:" + Resting + @"\s*)?(?:between|after|btw)\s*(?:each\s+)?sets?", " rest $1/$2 ", "2 sets of 3 x 30 m, 2 min between reps, 5 min between sets", "2 x 3 x 30 m rest 2:00/5:00"),
        Of(B + "(" + Time + @")\s*" + Resting + @"\s*(?:,|and|/|;)?\s*(" + Time + @")\s*(?:" + Resting + @"\s*)?between sets", " rest $1/$2 ", "4 x 2 x 30 m, 2 min rest, 4 min between sets", "4 x 2 x 30 m rest 2:00/4:00"),
        Of(B + Resting + @"\s*(" + Time + @")\s*(?:between reps)?\s*(?:,|and|/|;)\s*(" + Time + @")\s*(?:" + Resting + @"\s*)?between sets", " rest $1/$2 ", "2 x 3 x 30 m rest 2 min, 5 min between sets", "2 x 3 x 30 m rest 2:00/5:00"),
        Of(B + @"(?:w/|with|on)?\s*(" + Times + @")\s*(?:" + Resting + @"\s*)?(?:between|in between|btw|after)" + E + @"(?:\s*(?:the|each|every|all)" + E + @")?(?:\s*(?:reps?|runs?|sprints?|efforts?|one|them)" + E + ")?", " rest $1 ", "5 x 30 m 2 min between reps", "5 x 30 m rest 2:00"),
        Of(@"\(\s*(?:" + Resting + @"\s*)?(" + Times + @")(?:\s*" + Resting + @")?\s*\)", " rest $1 ", "5x20 (1:30)", "5 x 20 m rest 1:30"),
        Of(B + Resting + @"\s*(?:is|of|:|=|for|-)?\s*(" + Times + ")", " rest $1 ", "5 x 30 m r 90s", "5 x 30 m rest 1:30"),
        Of(B + @"(?:w/|with|on|and)?\s*" + B + @"(?<!rest\s*)(?<!\d\s*/\s*)(?<!" + B + @"in\s+|[-:.])(" + Times + @")\s*(?:of\s+|as\s+)?(?:a\s+)?" + Resting + @"(?!\s*(?:is|of|:|=)?\s*(?:\d|every))", " rest $1 ", "6 sprints of 20m, 2 min rest", "6 x 20 m rest 2:00"),

        // Stretches that hold the name of an exercise.
        Of(@"(?<=" + B + @"(?:flyings?|flys|fly)" + E + @".*)(" + D + @"\s*" + U + @")\s*build(?:ing)?[- ]?up", "$1 build", "4 x flying 20 m, 20 m build up", "4 x 20 build + 20 m fly"),
        Of(@"(" + D + @"\s*(?:" + U + @")?)\s*(?:slow(?:ing)?[ -]?down|slowing|decel(?:eration|erate|erating)?|brak(?:e|ing)|coast(?:ing)?|ease[ -]?(?:off|down))" + E, "$1 slow", "4 x 25m build 10m fly 20m slow down", "4 x 25 build + 10 fly + 20 m slow"),
        Of("(" + D + @"\s*" + U + @")\s*(?:build(?:ing)?[- ]?up|run[- ]?in)\s*(?=[+,]|then|and|into|\d)", "$1 build ", "3 x 20 m build-up + 10 m fly", "3 x 20 build + 10 m fly"),

        Of(@"\(\s*(" + Time + @")\s*/\s*(" + Time + @")\s*\)", " rest $1/$2 ", "2 x 4 x 20m (2'/5')", "2 x 4 x 20 m rest 2:00/5:00"),
        Of(B + @"r\s*(?=\d+\s*$)", " rest ", "4 x 20 m r 90 s", "4 x 20 m rest 1:30"),
        Of(@"(?<=\d\s*" + U + @"[^;]*)(?:,|" + B + @"(?:w/|with))\s*(" + Time + @")\s*$", " rest $1 ", "10 x 100 m, 60s", "10 x 100 m rest 1:00"),

        Of(@"^(?!.*" + B + @"rest)(.*\d\s*x\s*" + D + @"\s*(?:" + U + "|" + T + @")\s*\S.*?)(?<!" + B + @"in|[/+,-])\s+(" + Time + @")\s*$", "$1 rest $2 ", "4 x 15 m heavy sled 3 min", "heavy sled 4 x 15 m rest 3:00"),
        Of(@"^(?!.*" + B + @"rest)(.*\d\s*(?:kg|lb|max|%)s?|.*\d\s*x\s*" + D + @"\s*(?:" + U + "|" + T + @"))\s*,?\s+(" + Times + @")\s*$", "$1 rest $2 ", "bench press 3x8 60kg 2 min", "press 3 x 8 reps 60 kg rest 2:00"),
        Of(@"^(?!.*" + B + @"rest)(.*\d\s*" + U + @".*x\s*\d{1,2})(?:\s*,\s*|\s+)(" + Time + @")\s*$", "$1 rest $2 ", "100 m @95% x 2, 12 min", "2 x 100 m @95% rest 12:00"),
        Of(@"^(?!.*" + B + @"rest)(.*\d\s*x\s*\d.*),\s*(" + Time + @")\s*$", "$1 rest $2 ", "squat 5 x 3 120 kg, 3 min", "squat 5 x 3 120 kg rest 3:00"),
        Of(@"(?<=\d[^;]*)" + B + "(?:" + Resting + @"\s*:?\s*)?walk(?:ing|s)?[ -]down" + E + @"(?:\s+(?:as\s+)?" + Resting + @")?(?!\s*\d)", " rest walk-back ", "8 x 30 m uphill, walk down", "8 x 30 m uphill rest walk-back"),

        // Starts; those the catalogue holds as exercises are found by their names.
        Of(B + @"(?:from\s+)?(?:an?\s+|the\s+)?([34])[ -]?(?:points?|pts?)(?:[ -](?:starts?|stance|position))?" + E, " from $1-point ", "6x10m 3 point start", "6 x 10 m from 3-point"),
        Of(B + @"(?:from\s+)?(?:an?\s+|the\s+)?(?:2|two)[ -]?(?:points?|pts?)(?:[ -](?:starts?|stance))?" + E, " from standing ", "4 x 20 m 2-point start", "4 x 20 m from standing"),
        Of(B + @"from\s+(?:an?\s+|the\s+)?(three|four)[ -]point(?:\s+(?:starts?|stance))?" + E, " from $1-point ", "4 x 20 m from a three point stance", "4 x 20 m from 3-point"),
        Of(B + @"from\s+(?:an?\s+|the\s+)?(standing|falling|prone|lateral|moving|rolling|kneeling|half[- ]kneeling)(?:\s+(?:starts?|position))?" + E, " from $1 ", "4 x 20 m from a standing start", "4 x 20 m from standing"),
        Of(B + @"from\s+(?:an?\s+|the\s+)?(?:lying|push[- ]?up|belly|on the (?:belly|stomach))(?:\s+(?:down|starts?|position))?" + E, " from prone ", "4 x 10 m from push-up position", "4 x 10 m from prone"),
        Of(@"^\s*(half[- ]kneeling|kneeling|prone|standing)\s+(?=\d)", " from $1 ", "half kneeling 4 x 10 m", "4 x 10 m from half-kneeling"),
        Of(B + @"(?<!half[- ])kneeling starts?" + E, " from kneeling ", "kneeling starts 4x10m", "4 x 10 m from kneeling"),
        Of(B + @"(?:from\s+|off\s+|out of\s+|in\s+|with\s+)?(?:the\s+|starting\s+)*blocks" + E + @"(?!\s*starts?)", " from blocks ", "blocks 4x30m", "4 x 30 m from blocks"),

        // Loads that hold words of exercises.
        Of(B + @"(?:up|on)\s+(?:an?\s+|the\s+)?(?:slight\s+|short\s+|steep\s+|gentle\s+)?(?:hill|slope|incline)" + E, " uphill ", "5 x 25 m up a hill", "5 x 25 m uphill"),
        Of(@"(?:(?:@|" + B + @"at)\s*)?(" + D + @")\s*%\s*(?:of\s+)?(?:bw|bm|body[ -]?(?:weight|mass))" + E, " $1%bm ", "5 x 15m sled 30% bodyweight", "5 x 15 m sled 30%bm"),
        Of(@"(?<![-+])(" + D + @")\s*%\s*(?:slower|speed loss|velocity loss|velocity decrement|v[ -]?dec|vdec(?:rement)?|v[ -]?loss|loss of speed)" + E, " -$1%v ", "5 x 15 m sled 20% slower", "5 x 15 m sled -20%v"),
        Of(@"(?<![-+])(" + D + @")\s*%\s*(?:faster|overspeed)" + E, " +$1%v ", "3 x 30 m tow 5% faster", "3 x 30 m tow +5%v"),
        Of(@"(?:@|(?<![\p{L}\d])at)?\s*(" + D + @")\s*%\s*(?:of\s+)?(?:(?:his|her|their|your|the)\s+)?(?:mas|vvo2\s?max|(?:max(?:imum|imal)?\s+)?aerobic(?:\s+(?:speed|pace|velocity))?)" + E, " $1% aerobic ", "15 s on 15 s off x 12 at 110% MAS", "12 x 15 s 110% aerobic rest 0:15"),
        Of(@"(?:@|(?<![\p{L}\d])at)?\s*((?:" + D + @"\s*(?:,|/|-|to)\s*)*" + D + @")\s*%\s*(?:of\s+)?(?:(?:his|her|their|your|the)\s+)?(?:1?[ -]?rm|one[- ]rep(?:etition)? max(?:imum)?|max(?:imum)?)" + E, " $1% max ", "squat 3 x 5 at 80% 1RM", "squat 3 x 5 80% max"),
        Of(B + @"(?:resistance bands?|bungees?|elastic(?: cord)?|cord|banded)" + E, " band ", "3 x 10 m bungee", "3 x 10 m band"),
        Of(B + @"(band|sled|partner|bungee)\s+starts?" + E, " $1 ", "band starts 4 x 10 m", "4 x 10 m band"),
        Of(B + @"chains" + E, " chain ", "chains 4 x 20 m", "4 x 20 m chain"),
        Of(B + @"(?:chute)" + E, " parachute ", "3 x 30 m chute", "3 x 30 m parachute"),
        Of(B + @"(sled|band|chain|partner|parachute)[- ]resisted(?:\s+(?:sprints?|runs?|starts?|accelerations?|efforts?))?" + E, " $1 ", "band-resisted sprints 4 x 15 m", "4 x 15 m band"),
        Of(B + @"(?:resisted|held)\s+(?:by|with)\s+(?:an?\s+)?(sled|band|chain|partner|parachute)" + E, " $1 ", "4 x 20 m resisted by band", "4 x 20 m band"),
        Of(B + @"resisted(?:\s+(?:sprints?|runs?))?" + E + @"(?!-)", " sled ", "resisted sprints 4 x 20 m 15 kg", "4 x 20 m sled 15 kg"),
        Of(B + @"(?:weighted|weight)[ -]vest" + E, " vest ", "3 x 20 m weighted vest 5 kg", "3 x 20 m vest 5 kg"),
    ];

    /// <summary>Habits around the names of exercises, once those are known.</summary>
    internal static IReadOnlyList<Habit> AfterNames { get; } =
    [
        // Sides.
        Of(@"(?:" + B + @"(?:on\s+)?(?:each|per|a|ea\.?|every|both|either)\s+|/\s*)(?:sides?|legs?|arms?|ways?|foot|feet|directions?)" + E, " each side ", "leg swings 12 each leg", "leg swing forwards 1 x 12 reps each side"),
        Of(B + @"(?:l\s*[/&+]\s*r|r\s*[/&+]\s*l|left\s*(?:and|&|/|\+)\s*right|right\s*(?:and|&|/|\+)\s*left|l\s+and\s+r|(?<=\d\s*(?:(?:" + T + "|" + U + @")\s*)?)(?:each|ea\.?)(?=\s*(?:$|,|;)))" + E, " each side ", "4x20m l/r", "4 x 20 m each side"),

        Of("(" + Count + @")\s*x\s*each side", "$1 each side", "45 cut 5 x each side", "cut forty-five 5 x 8 + cut 45 + 8 m each side"),
        Of("(" + Count + @")\s*each side\s*(?:x|of|,|for)?\s*(?=" + D + @"\s*" + U + ")", " each side $1 x ", "half kneeling start 3 each side 10 m", "half-kneeling start 3 x 10 m each side"),

        // For whom.
        Of(@"(?<!for\s+)" + B + @"(low|high)[ -]minutes?(?:\s+(?:group|players|only))?" + E, " for $1 minutes ", "4 x 20 m low minutes group", "4 x 20 m for low minutes"),

        // Loads.
        Of(B + @"(?:overspeed|assisted)(?:\s+(?:runs?|sprints?|bands?|tow(?:s|ed|ing)?(?:\s+(?:runs?|sprints?))?))?" + E, " tow ", "overspeed 3 x 30 m", "3 x 30 m tow"),
        Of(@"(" + D + @")\s*(?:kgs|kilos?|kilograms?)" + E, "$1 kg", "squat 4 x 3 100 kilos", "squat 4 x 3 100 kg"),
        Of(@"(" + D + @")\s*(?:lbs|pounds?)" + E, "$1 lb", "squats 4x3 225 lbs", "squat 4 x 3 225 lb"),
        Of(B + @"(?:with|w/|using)?\s*(?:an?\s+)?(?:pair\s+of\s+)?(?:dumb\s?bells?|dbs?|kettle\s?bells?|kbs?)\s*(?:of\s*|@\s*|at\s*)?(2\s*x\s*" + One + @"\s*(?:kg|lb))s?" + E, " $1 ", "split squat 3 x 8 dumbbells 2 x 20 kg", "split squat 3 x 8 reps 2 x 20 kg"),
        Of(B + @"(?:with|w/|using)?\s*(?:an?\s+)?(?:pair\s+of\s+)?(2\s*x\s*" + One + @"\s*(?:kg|lb))s?\s*(?:dumb\s?bells?|dbs?|kettle\s?bells?|kbs?)" + E, " $1 ", "reverse lunges 3 x 8 with 2 x 16 kg dumbbells", "reverse lunge 3 x 8 reps 2 x 16 kg"),
        Of(B + @"(?:with|w/|using)?\s*(?<!x\s*)(" + One + @")\s*(kg|lb)s?\s*(?:dumb\s?bells|dbs|kettle\s?bells|kbs)" + E, " 2 x $1 $2 ", "step ups 3x8 w/ 20kg dumbbells", "step-up 3 x 8 reps 2 x 20 kg"),
        Of(B + @"(?:with|w/|using)?\s*(?:an?\s+)?(" + One + @")\s*(kg|lb)s?\s*(?:dumb\s?bell|db|kettle\s?bell|kb|plate|bar|barbell)" + E, " $1 $2 ", "goblet squat 3 x 10 24 kg kettlebell", "squat 3 x 10 reps 24 kg"),
        Of(@"(" + D + @")\s*(kg|lb)\s*(?:on (?:a |the )?)?(sled|chain|vest)" + E, " $3 $1 $2 ", "5 x 15 m 25 kg sled", "5 x 15 m sled 25 kg"),
        Of(B + @"(sled|chain|vest)\s*(?:with|at|of|,|:|loaded with|@|plus)\s*(?=[-+]?\d)", " $1 ", "5 x 15 m sled with 25 kg", "5 x 15 m sled 25 kg"),
        Of(@"(?<=" + Name + @".*|^\s*)" + B + @"moderate(?:ly)?" + E + @"(?!\s*(?:pace|effort|speed|tempo|intensity|to))", " medium ", "squat 5 x 3 moderate", "squat 5 x 3 reps medium"),
        Of(B + @"(heavy|light|medium)\s+(sled|chain|band)" + E, " $2 $1 ", "3 x 10 m light band", "3 x 10 m band light"),
        Of(@"(" + D + @")\s*%\s*(?:grade|gradient|slope|incline|uphill|hill)" + E, " uphill $1% ", "5 x 25 m 6% grade", "5 x 25 m uphill 6%"),
        Of(B + @"(?:on\s+)?(?:an?\s+|the\s+)?(?:hills?|incline)" + E + @"(?:\s*of\s*)?", " uphill ", "5 x 25m hill walk back", "5 x 25 m uphill rest walk-back"),
        Of(@"(?<!%\s*)(?<!\d\s*)" + B + @"(?:body[ -]?weight|bw)" + E + @"(?:\s*only)?", " ", "bodyweight squats 3 x 10", "squat 3 x 10 reps"),

        Of(B + @"(vest|sled|chain|band|parachute|uphill|downhill|tow)\s+(?:sprints?|runs?|pulls?|drags?)" + E, " $1 ", "vest sprints 4 x 20 m 5 kg", "4 x 20 m vest 5 kg"),

        // Heights, and what is said to the athlete.
        Of("(?<=" + Name + @"[^;]*)" + B + "(" + Count + @")\s*hurdles?\s*x\s*(" + Count + ")", " $2 x $1 reps ", "hurdle hops 5 hurdles x 4", "hurdle rebound 4 x 5 reps"),
        Of(@"(?<=" + Name + @"[^;]*\d\s*)hurdles?" + E, " reps ", "hurdle hops 4 x 5 hurdles", "hurdle rebound 4 x 5 reps"),
        Of(B + @"on\s+(?:the\s+)?(grass|track|turf|sand|carpet|road|court)" + E, " onthe $1 ", "6 x 80 m on grass", "6 x 80 m cue \"on grass\""),
        Of(B + @"(?:laser|electronic(?:ally)?)(?:[ -](?:timed|timing|times?))?" + E, " timed ", "5 x 30 m laser timed", "5 x 30 m log time"),
        Of(@"(?:@|" + B + @"(?:at|from|off|on|onto|over))?\s*(?:an?\s+)?(?<![\d.])(\d{2,3})\s*(?:cms?|centimet(?:re|er)s?)" + E + @"(?:\s*(?:box(?:es)?|hurdles?|steps?|high|drop))?", " $1 cm ", "box jump 4 x 4 50 cm box", "box jump 4 x 4 reps cue \"50 cm\""),
        Of(B + @"(?:in\s+)?groups?\s+of\s+(\d{1,2}|two|three|four|five|six)" + E, " in groupsof $1 ", "4 x 30 m groups of 4", "4 x 30 m cue \"in groups of 4\""),

        // Gates and what is written down.
        Of(B + @"(?:with\s+)?(?:timed|times?|splits?|timing(?:\s*gates?)?|gates?)\s*(?:at\s*)?(?:every|each|per)\s*(?=\d)", " gates every ", "5 x 30 m timed every 10", "5 x 30 m gates 10,20,30"),
        Of(B + @"(?:with\s+)?(?:timed|(?<!\d\s*)times?|splits?|timing(?:\s*gates?)?|timing lights?|beams?|marks?|gates?)\s*(?:at|on|:|of|@)?\s*(?=\d)(?!\d+\s*x)", " gates ", "3 x 40m timed at 10, 20, 40", "3 x 40 m gates 10,20,40"),
        Of(@"(?<=gates\s[\d.,/&\s]*(?:(?:m|yd)\s*)?)(?<=\d\s*(?:m|yd)?)\s*(?:/|&|and|then)\s*(?=\d)", ",", "20m gates 5/10/20", "20 m gates 5,10,20"),
        Of(B + @"(?:timed|time it|for time|clocked|on the clock|time them)" + E, " log time ", "3 x 30 m timed", "3 x 30 m log time"),

        Of(B + @"at\s*(?=" + D + @"\s*(?:kg|lb)" + E + ")", "", "squat 3 x 5 at 80kg", "squat 3 x 5 80 kg"),

        Of("(" + Name + @")\s+(?:to|over)\s+(?=" + D + @"\s*" + U + ")", "$1 ", "5 block starts to 20 m", "block start 5 x 20 m"),
        Of("(" + Name + @")\s*x\s*(" + Count + @")\s*x\s*(" + Count + @")(?!\s*(?:" + U + "|" + T + "))", "$1 $3 x $2 ", "pogo x20 x3", "pogo hops 3 x 20 reps"),

        // Sets and reps.
        Of("(" + Name + @")\s*((?:" + Count + @"\s*x\s*)?" + Count + @")\s*x\s*(" + One + @")\s*(kg|lb)" + E, "$1 $2 reps $3 $4 ", "squat 5 x 5 x 80 kg", "squat 5 x 5 reps 80 kg"),
        Of(@"^\s*(" + Count + @")\s*(" + Name + @")\s*x\s*(" + Count + @")\s*(?=$|,|rest" + E + "|each side)", " $2 $3 x $1 ", "5 hurdle hops x 4", "hurdle rebound 4 x 5 reps"),
        Of("(?<=" + Name + @"[^;]*)" + B + "(" + D + @")\s*reps?\s*x\s*(" + Count + @")(?!\s*(?:" + U + "|" + T + "|x))", " $2 x $1 reps ", "squat 3-5 reps x 4 @70-80%", "squat 4 x 3-5 reps 70-80% max"),
        Of(@"^\s*(" + Count + @")\s*(" + Name + @")\s*x\s*(" + Count + @")\s*sets?" + E, " $2 $3 x $1 ", "3 broad jumps x 3 sets", "broad jump 3 x 3 reps"),
        Of(B + "(" + Count + @")\s*x\s*(" + Count + @")\s*sets?" + E, " $2 x $1 ", "pogo hops 10 x 3 sets", "pogo hops 3 x 10 reps"),
        Of(@"x\s*\(([^()]*)\)", "x $1 ", "2 x (3 x 40 yd)", "2 x 3 x 40 yd"),
        Of(B + "(" + Count + @")\s*sets?\s*(?:of|x|:)?\s*\(([^()]*)\)", "$1 x $2 ", "3 sets of (4 x 15 m)", "3 x 4 x 15 m"),
        Of(@"x\s*(" + Count + @")\s*(?:reps?)?\s*,?\s*(?:for\s+)?(" + Count + @")\s*sets?" + E, " $2 x $1 ", "pogo hops x10 3 sets", "pogo hops 3 x 10 reps"),
        Of(B + "(" + Count + @")\s*sets?\s*(?:of|x|,|:)?\s*(" + Count + @")\s*(?:" + Runs + @"\s*)?(?:of|x|,|at|over)?\s*(?=" + D + @"\s*(?:" + U + "|" + T + "))", " $1 x $2 x ", "3 sets 5 reps 10 m rest 1 min", "3 x 5 x 10 m rest 1:00"),
        Of(B + "(" + Count + @")\s*sets?\s*(?:of|x|,|:)?\s*(" + Count + @")\s*(?:reps?)?\s*(?:of\s*)?(?=" + Name + ")", " $1 x $2 ", "2 sets of 10 squats", "squat 2 x 10 reps"),
        Of(B + "(" + Count + @")\s*sets?\s*(?:of|x|:)?\s*(?=\d)", " $1 x ", "squat 3 sets of 8", "squat 3 x 8 reps"),
        Of("(" + Chain + @")\s*,?\s*(?<!x\s*\d{1,3}\s*" + U + @"\s*)(" + Count + @")\s*(?:reps?|times|sprints?|runs?)\s*(?=$|,|rest|@|from)", "$2 x $1 ", "20m, 6 reps", "6 x 20 m"),
        Of(B + "(" + Count + @")\s*x?\s*" + Runs + @"\s*(?:of|x|at|over|,|@)?\s*(?=" + D + @"\s*(?:" + U + "|" + T + "))", " $1 x ", "5 reps of 25 m", "5 x 25 m"),
        Of(B + "(" + Count + @")\s*" + Runs + @"\s*(?:of|x)\s*(?=\d)", " $1 x ", "6 sprints of 20", "6 x 20 m"),
        Of(B + "(" + Count + @")\s*(?:reps?|passes|pass|goes|times|rounds?)\s*(?:of|x)\s*(" + Name + ")", " $2 usual $1 ", "4 reps of A-skip", "A-skip 4 x 15 m"),
        Of(@"^\s*(" + Count + @")\s*(?:x|of)?\s*(" + Name + @")\s*(?:of|for|x|,|over)?\s*(?=" + D + @"\s*(?:" + U + "|" + T + "))", " $2 $1 x ", "4 build ups 40 m", "build-up 4 x 40 m"),
        Of(@"^\s*(" + Count + @")\s*(?:x|of)?\s*(" + Name + @")(?!\s*(?:x\s*)?\d)", " $2 usual $1 ", "4 build ups", "build-up 4 x 30 m"),
        Of("((?:" + Chain + "|" + D + @"\s*" + T + @"))\s*(sled|chain|band|vest|uphill|downhill|tow|parachute|partner|each side|" + Name + @")\s*x\s*(" + Count + @")(?!\s*(?:" + U + "|" + T + "|x))", "$3 x $1 $2 ", "20m sled x 4", "4 x 20 m sled"),
        Of("(" + Name + @")\s*x\s*(" + Count + @")\s*(passes|pass|reps?|jumps|hops|contacts|throws)" + E, " $1 $2 $3 ", "mini hurdles x 6 passes", "mini-hurdle run 6 passes"),
        Of(@"^\s*(" + Count + @")\s*(?:starts?|sprints?|runs?|accels?)\s*(from\s+[\w-]+)\s+(" + D + @"\s*" + U + ")", " $1 x $3 $2 ", "6 starts from 3-point 10 m", "6 x 10 m from 3-point"),
        Of(@"(from\s+[\w-]+)\s*x\s*(" + Count + @")\s*,?\s*(?=" + D + @"\s*" + U + ")", " $1 $2 x ", "3 point starts x 4 15m", "4 x 15 m from 3-point"),
        Of("(" + Name + @")\s*x\s*(" + Count + @")\s*,?\s*(?:of|x)?\s*(?=" + D + @"\s*(?:" + U + "|" + T + "))", " $1 $2 x ", "A skip x 2 20m", "A-skip 2 x 20 m"),
        Of("(" + Name + @")\s*x\s*(" + D + @"\s*" + U + @")\s*x\s*(" + Count + ")" + E, " $1 $3 x $2 ", "butt kicks x 20 m x 2", "butt kicks 2 x 20 m"),
        Of("(" + Name + @")\s*(" + Count + @")\s*x\s*(?=$|,|rest" + E + ")", " $1 usual $2 ", "mini hurdles 4x", "mini-hurdle run 4 passes"),
        Of("(" + Name + @")\s*x\s*(" + Count + @")(?!\s*(?:x|" + U + "|" + T + "))", " $1 usual $2 ", "broad jump x 3", "broad jump 1 x 3 reps"),

        Of(@"^(?!.*" + B + @"rest)([^;]*" + Name + @"[^;]*\d\s*x\s*\d{1,3}(?:\s*reps?)?(?:\s*each side)?)\s+(" + Time + @")\s*$", "$1 rest $2 ", "broad jumps 3x4 60s", "broad jump 3 x 4 reps rest 1:00"),

        Of(@"(?<=" + B + @"(?:flyings?|flys|flies|fly)" + E + @".*)" + B + @"(?:from|off|after)\s+(?:an?\s+)?(" + D + @")\s*(" + U + @")(?!\s*(?:run|build|lead|fly|approach|rolling|acc))", " with $1 $2 build", "fly 30 m x 3 from 25 m", "3 x 25 build + 30 m fly"),

        // Flying runs.
        Of(@"^\s*(?:top[ -]speed|max(?:imum|imal)?[ -]?(?:v|speed))(?:\s+(?:runs?|sprints?))?\s*:?\s*(?=\d)", " fly ", "top speed runs 4 x 30 m", "4 x 30 build + 30 fly + 20 m slow"),
        Of(@"^((?:(?!\d\s*build)[^+])*?)(?<![\d.])((?:[5-9]|\d\d+)(?:\.\d+)?)\s*(?:flyings?|flys|flies|fly)" + E + @"(?!.*(?:\+|\d\s*(?:build|slow)))", "$1 fly $2 ", "3 x 10 fly", "3 x 20 build + 10 fly + 20 m slow"),
        Of(@"^\s*([1-4])\s*(?:x\s*)?(?:flyings?|flys|flies|fly)(?:\s*(?:runs?|sprints?))?\s*$", "$1 x fly 10", "3 flys", "3 x 20 build + 10 fly + 20 m slow"),
        Of(@"(?<=^\s*(?:" + Count + @"\s*(?:sets?\s*(?:of\s*)?|x\s*)\(?)?)(" + Count + @")\s+(flyings?|fly)\s*(?=\d)", "$1 x $2 ", "4 flying 10s", "4 x 20 build + 10 fly + 20 m slow"),
        Of(B + @"max(?:imum|imal)?[ -]?vel(?:ocity)?(?:\s*(?:runs?|sprints?))?\s*:?\s*(?=\d)", " fly ", "max velocity 3 x 20 m", "3 x 30 build + 20 fly + 20 m slow"),
        Of(@"(" + D + @")\s*(" + U + @")\s*(?:at\s+)?max(?:imum|imal)?[ -]?vel(?:ocity)?" + E, " fly $1 $2 ", "3 x 20 m max velocity", "3 x 30 build + 20 fly + 20 m slow"),
        Of(@"(?<![\d+]\s*(?:" + U + @")?\s*)" + B + @"(?:flyings?|flys|flies|fly)\s*(?:runs?\s*|sprints?\s*)?([1-9])\s*x\s*(?=\d\d)(?!.*\+)", " $1 x fly ", "fly 3 x 20 m", "3 x 30 build + 20 fly + 20 m slow"),
        Of(@"(" + D + @")\s*(" + U + @")\s*(?:flyings?|flys|flies|fly)(?:\s*(?:sprints?|runs?|zone))?((?:\s*x\s*\d+)?)\s*(?:with|w/|off|from|after|,)\s*(?:an?\s+)?(" + D + @")\s*(" + U + @")?\s*(?:run[- ]?in|build(?:[- ]?up)?|lead[- ]?in|run[- ]?up|acceleration|approach|rolling(?: start)?)" + E, " $4 build + $1 $2 fly $3 ", "20m flying w/ 30m run-in", "30 build + 20 m fly"),
        Of(B + @"(?:flyings?|flys|flies|fly)\s*(" + D + @")\s*s?\s*(" + U + @")?((?:\s*x\s*\d+)?)\s*(?:with|w/|off|from|after|,|\s)\s*(?:an?\s+)?(" + D + @")\s*(" + U + @")?\s*(?:run[- ]?in|build(?:[- ]?up)?|lead[- ]?in|run[- ]?up|acceleration|approach|rolling(?: start)?)" + E, " $4 build + $1 $2 fly $3 ", "fly 20 x 3 with 30 build", "3 x 30 build + 20 m fly"),
        Of(@"(?<!\+\s*)(?<!build\s*,?\s*(?:then|and|into)?\s*)(?<![\d.])((?:10|[1-9])(?:\.\d+)?)\s*(" + U + @")\s*(?:flyings?|flys|flies|fly)" + E + @"(?:\s*(?:sprints?|runs?|zone)" + E + @")?(?!\s*(?:\+|\d|,\s*\d))", " 20 build + $1 fly + 20 $2 slow ", "3 x 10 m fly", "3 x 20 build + 10 fly + 20 m slow"),
        Of(@"(?<!\+\s*)(?<!build\s*,?\s*(?:then|and|into)?\s*)(?<![\d.])(" + D + @")\s*(" + U + @")\s*(?:flyings?|flys|flies|fly)" + E + @"(?:\s*(?:sprints?|runs?|zone)" + E + @")?(?!\s*(?:\+|\d|,\s*\d))", " 30 build + $1 fly + 20 $2 slow ", "3 x 20 m fly", "3 x 30 build + 20 fly + 20 m slow"),
        Of(NoNumberBefore + @"(?:flyings?|flys|flies|fly)\s*((?:10|[1-9])(?![\d.]))\s*(" + U + @")(?!.*\+)", " 20 build + $1 fly + 20 $2 slow ", "3 x fly 10 yd", "3 x 20 build + 10 fly + 20 yd slow"),
        Of(NoNumberBefore + @"(?:flyings?|flys|flies|fly)\s*((?:10|[1-9])(?![\d.]))\s*s?" + E + @"(?!.*\+)", " 20 build + $1 fly + 20 slow ", "flying 10s x 3", "3 x 20 build + 10 fly + 20 m slow"),
        Of(NoNumberBefore + @"(?:flyings?|flys|flies|fly)\s*(" + D + @")\s*(" + U + @")(?!.*\+)", " 30 build + $1 fly + 20 $2 slow ", "3 x fly 20 yd", "3 x 30 build + 20 fly + 20 yd slow"),
        Of(NoNumberBefore + @"(?:flyings?|flys|flies|fly)\s*(" + D + @")\s*s?" + E + @"(?!.*\+)", " 30 build + $1 fly + 20 slow ", "flying 20s x 3", "3 x 30 build + 20 fly + 20 m slow"),

        // Stretches with words for what they are for, and without a plus between.
        Of(@"(" + D + @"\s*(?:" + U + @")?)\s*(?:run[- ]?in|build(?:ing)?[- ]?up|lead[- ]?in|run[- ]?up|accel(?:eration|erate|erating)?)" + E, "$1 build", "3 x 20 m run-in + 10 m fly", "3 x 20 build + 10 m fly"),
        Of(@"(" + D + @"\s*(?:" + U + @")?)\s*(?:flying|zone|fly zone|flat out zone)" + E, "$1 fly", "3 x 20 m build + 10 m zone", "3 x 20 build + 10 m fly"),
        Of("(" + Stretch + @")\s*(?:,|then|and|into|/|->|>)?\s*(?=" + D + @"\s*(?:" + U + @")?\s*(?:build|fly|fast|float|slow|up|back)" + E + ")", "$1 + ", "3 x 10 fast 10 float 10 fast", "3 x 10 fast + 10 float + 10 m fast"),
        Of(@"(?<=\d\s*(?:min(?:ute)?s?|:[0-5]\d)\s+(?:(?:easy|steady|brisk)\s+)?)(?:run|running)" + E, "", "12 min easy run", "12 min easy"),
        Of(@"(" + D + @")\s*(" + U + @")?\s*down\s*(?:and|&|,)?\s*back" + E + @"(?!\s*with)", "$1 $2 up + $1 $2 back", "4 x 20 m down and back", "4 x 20 up + 20 m back"),
        Of(@"(" + D + @")\s*(" + U + @")?\s*(?:there|out)\s*(?:and|&|,)?\s*back" + E, "$1 $2 up + $1 $2 back", "4 x 20 m out and back", "4 x 20 up + 20 m back"),
        Of(@"(" + D + @")\s*(" + U + @")?\s*down\s*with\s*(?:an?\s*)?(\p{L}+)\s*(?:,|and|&|;)?\s*back\s*with\s*(?:an?\s*)?(\p{L}+)", "$1 $2 up $3 + $1 $2 back $4", "2 x 20 m down with skip, back with jog", "2 x 20 up skip + 20 m back jog"),

        // How many, after what.
        Of("(" + Chain + @")\s*(?:" + Efforts + @"\s*)?x\s*(" + Count + @")(?!\s*(?:" + U + "|" + T + @"|x|\+))(?:\s*(?:reps?|times)" + E + ")?", "$2 x $1", "30m x 5", "5 x 30 m"),
        Of("(?<!" + B + @"in\s*)(" + D + @"\s*" + T + @")\s*x\s*(" + Count + @")(?!\s*(?:" + U + "|" + T + @"|x|\+))(?:\s*(?:reps?|times)" + E + ")?", "$2 x $1", "30 s x 6 @70%", "6 x 30 s @70%"),

        Of("^([^x]*?)(" + Chain + @")([^x]*?)\s*,?\s*x\s*(" + Count + @")\s*(?:(?:reps?|times)" + E + @")?\s*(?=$|,|rest" + E + ")", "$1 $4 x $2 $3 ", "20 m, walk back, x 6", "6 x 20 m rest walk-back"),

        // Work and rest by the clock.
        Of(@"(" + D + @")\s*(?:on)\s*[,/&]?\s*(?:and\s*)?(" + D + @")\s*(?:off)" + E, "$1 s on $2 s off", "20 on 40 off x 6", "6 x 20 s rest 0:40"),
        Of(@"(" + Time + @")\s*(?:on|work|hard)\s*[,/&]?\s*(?:and\s*)?(" + Time + @")\s*(?:off|rest|easy)" + E + @"\s*,?\s*x\s*(" + Count + ")", " $3 x $1 rest $2 ", "30 s on, 30 s off x 8", "8 x 30 s rest 0:30"),
        Of(@"(" + Time + @")\s*(?:on|work|hard)\s*[,/&]?\s*(?:and\s*)?(" + Time + @")\s*(?:off|rest|easy)" + E, " $1 rest $2 ", "8 x 30 s on 30 s off", "8 x 30 s rest 0:30"),
        Of(@"(?<!rest\s*)(?<![\d.])(" + D + @"\s*" + T + @")\s*/\s*(" + D + @"\s*" + T + ")", "$1 rest $2", "bike 8 x 20s/10s", "bike intervals 8 x 20 s rest 0:10"),
        Of(@"^\s*(?!90\s*/\s*90\s*x)(\d\d)\s*/\s*(\d\d)\s*(?:s" + E + @")?\s*x\s*(" + Count + ")", " $3 x $1 s rest $2 s ", "30/30 x 8", "8 x 30 s rest 0:30"),
        Of(@"(" + Count + @"\s*x\s*)(" + D + @")\s*/\s*(" + D + @")\s*(seconds?|secs?|s|minutes?|mins?|min)" + E, "$1$2 $4 rest $3 $4", "10 x 15/15 s", "10 x 15 s rest 0:15"),
        Of(B + @"(?:rest\s*|r\s*)?(?:work[ /:-]*rest|w:r|ratio)?\s*(?:of\s*)?(?<![\d:])(\d):(\d)(?![\d:])(?:\s*(?:work[ /:-]*rest|ratio|rest))?", " rest $1 to $2 ", "8 x 30 s 1:1", "8 x 30 s rest 0:30"),

        // Effort.
        Of(@"\(\s*((?:\d{2,3}\s*%?\s*[,/]?\s*)+%)\s*\)", " $1 ", "3 x 30 m (70, 80, 90%)", "3 x 30 m @70,80,90%"),
        Of(@":\s*(?=\d+\s*%)", " ", "4 x 60 m: 70%, 80%, 90%, 95%", "4 x 60 m @70,80,90,95%"),
        Of(@"(?<!@\s*)(?<![\d.,/])(\d{2,3})\s*/\s*(?=\d{2,3}\s*(?:/|%))", "@$1,", "3 x 20 m 80/90/100%", "3 x 20 m @80,90,100%"),
        Of(@"(?<=" + Name + @".*)" + B + @"to\s*(?=" + D + @"\s*%)", "@", "4 x 40 m build-ups to 90%", "build-up 4 x 40 m @90%"),
        Of(@"(\d)\s*(?:percent|per cent|pct)" + E, "$1%", "4 x 50 m at 85 percent", "4 x 50 m @85%"),
        Of(@"(?<=@[\d.,/\s]*\d)\s*/\s*(?=\d)", ",", "3 x 30 m @70/80/90%", "3 x 30 m @70,80,90%"),
        Of(@"(\d)\s*,?\s*(?:and|&)\s*(?=\d+\s*%)", "$1,", "3 x 30 m at 70, 80 and 90%", "3 x 30 m @70,80,90%"),
        Of(@"(\d)\s*%\s*(?:,|/|and|then|\s)\s*(?=\d+\s*%)", "$1,", "40m x 3 80%, 85%, 90%", "3 x 40 m @80,85,90%"),
        Of(@"(?<!\d)(\d\d)\s*-\s*(\d\d)\s*-\s*(\d\d)\s*%", "@$1,$2,$3%", "3 x 40 m 70-80-90%", "3 x 40 m @70,80,90%"),
        Of(@"(\d)\s*%\s*(?:-|to)\s*(?=\d+\s*%)", "$1-", "4 x 30 m 90% to 95%", "4 x 30 m @90-95%"),
        Of(B + @"at\s*(?=" + D + @"(?:\s*(?:,|-|to)\s*" + D + @")*\s*%)", " @", "4 x 50m at 85%", "4 x 50 m @85%"),
        Of(@"(?<=\d\s*x\s*" + D + @"\s+)(" + D + @")\s*%(?!\s*(?:bm|v|max|aerobic|grade|slope)" + E + @"|\s*[,/])", " @$1% ", "front squat 4x4 75-80%", "squat 4 x 4 reps 75-80% max"),
        Of(@"(?<![@\d.,+-]\s*)(?<!(?:to|uphill|downhill|tow|sled|chain|vest)\s*)" + B + @"((?:" + D + @"\s*(?:,|-|to)\s*)*" + D + @")\s*%(?!\s*(?:bm|v|max|aerobic|grade|slope)" + E + @")(?:\s*(?:effort|speed|pace|intensity|of top speed)" + E + ")?", " @$1% ", "4 x 50 m 85% effort", "4 x 50 m @85%"),
        Of(@"(@[\d.,\s-]+%)\s*(?:effort|speed|pace|intensity|of top speed)" + E, "$1 ", "4 x 50 m @85% pace", "4 x 50 m @85%"),
        Of(B + @"(?:at\s+)?(?:3/4|three[ -]quarters?)\s*(?:of\s+)?(?:pace|speed|effort|rhythm)?" + E, " @75% ", "6 x 60 m 3/4 pace", "6 x 60 m @75%"),
        Of(B + @"(?:at\s+)?(?:1/2|half)\s*(?:pace|speed|effort|rhythm)" + E, " @50% ", "4 x 60 m half speed", "4 x 60 m @50%"),
        Of(@"(?<!%\s*)" + B + @"(?:at\s+)?(?:all[ -]?out|flat[ -]?out|as fast as (?:possible|you can)|max(?:imal|imum)?(?:\s*(?:effort|speed|intensity))?|full\s*(?:effort|speed|gas|pace|intensity)|top speed)" + E, " full ", "4 x 20 m all out", "4 x 20 m full"),
        Of(B + @"(?:at\s+)?(?:an?\s+)?moderate(?:ly)?(?:\s*(?:pace|effort|speed|tempo|intensity|run(?:ning)?))?" + E, " steady ", "4 x 60 m at a moderate pace", "4 x 60 m steady"),
        Of(B + @"(?:at\s+)?(?:an?\s+)?(easy|steady|brisk|relaxed|fast)\s*(?:pace|effort|speed|tempo|intensity)" + E, " $1 ", "4 x 60 m at a steady pace", "4 x 60 m steady"),

        // Words that say nothing the line does not.
        Of(@"^\s*(?:sprints?|runs?|accelerations?|accels?|starts?|dash(?:es)?)\s*:?\s*(?=\d|from" + E + ")", " ", "sprint 5 x 20m", "5 x 20 m"),
        Of(@"^([^+]*\d\s*(?:" + U + @")?)\s*(?:sprints?|dash(?:es)?|efforts?|accelerations?|accels?|starts?)" + E + @"(?!.*\+)", "$1", "20 yard dash", "20 yd"),
        Of(B + @"down" + E + @"(?=\s*,?\s*rest walk-back)", " ", "A-skip 20 m down, walk back", "A-skip 20 m rest walk-back"),
        Of(B + @"(?:of|with|w/|the|then|please|do|go|straight|about|around)" + E, " ", "A-skip of 20 m", "A-skip 20 m"),
        Of(@"[.;]\s*$", " ", "4 x 20 m.", "4 x 20 m"),
    ];

    /// <summary>The line with every habit in the language's own words, and its exercise set aside.</summary>
    /// <param name="line">The line.</param>
    /// <param name="catalogue">Known exercises.</param>
    internal static LineText Settle(LineText line, ExerciseCatalogue catalogue)
    {
        foreach (var habit in BeforeNames)
        {
            line = line.Replace(habit);
        }

        line = KeepName(line, catalogue, false);
        foreach (var habit in AfterNames)
        {
            line = line.Replace(habit);
        }

        return line;
    }

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
        (count == 1 && (ShorthandWords.IsVocabulary(name) || char.IsAsciiDigit(name[0]) || name.Equals("flys", StringComparison.OrdinalIgnoreCase)))
        || (text.Contains('+', StringComparison.Ordinal) && name.Split(' ', '-').All(ShorthandWords.IsVocabulary))
        || (count < 3 && char.IsAsciiDigit(name[0]) && !(name.Length > 2 && name[1] == '-' && char.IsLetter(name[2])) && text.AsSpan(end).TrimStart().StartsWith("x", StringComparison.OrdinalIgnoreCase))
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
