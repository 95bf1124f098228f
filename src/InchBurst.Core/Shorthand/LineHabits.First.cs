using System.Globalization;
using System.Text.RegularExpressions;

namespace InchBurst.Core.Shorthand;

/// <summary>The habits that settle how something is spelt: numbers in words, signs that join, figures out of ten, what is over or between.</summary>
public static partial class LineHabits
{
    private const string InLetters = @"(?:two|three|four|five|six|seven|eight|nine|ten|twelve|fifteen|twenty|thirty)";
    private const string Belts = @"(?:bullet|release|resistance|resisted|resist)\s+belts?";
    private const string FastOrInOut = @"(?<said>" + FastFloat + @"s?|ins?\s*[-/]?\s*(?:(?:and|&|n)[ -])?outs?|float(?:ing)?(?:\s+(?:sprints?|runs?))?|(?:sprint|fast)[ -]?/?float)";
    private const string FastFloat = @"(?:sprint[ -]float[ -]sprint|fast[ -]float[ -]fast|sprint[ -]easy[ -]sprint|fast[ -]easy[ -]fast|in[ -]out[ -]in|hollow(?:\s+(?:sprints?|runs?))?)";

    private static readonly string[] NumberNames = ["one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "", "twelve", "", "", "fifteen", "", "", "", "", "twenty", "", "", "", "", "", "", "", "", "", "thirty"];

    private static string Number(string word) => (Array.IndexOf(NumberNames, word.ToLowerInvariant()) + 1).ToString(CultureInfo.InvariantCulture);

    private static Habit[] First() =>
    [
        // Numbers in words, in front of what they count.
        Of(B + "(one|" + InLetters + @")\s+and\s+a\s+half\s+(?=" + T + ")", "", "3 x 40m, rest four and a half minutes", "3 x 40 m rest 4:30") with { Make = m => Number(m.Groups[1].Value) + ".5 " },
        Of(B + "(" + InLetters + @")\s+(?:to|or)\s+(" + InLetters + @")\s+(?=" + T + ")", "", "4 x 30 m, two to three minutes rest", "4 x 30 m rest 2:00-3:00") with { Make = m => $"{Number(m.Groups[1].Value)}-{Number(m.Groups[2].Value)} " },
        Of(B + "(" + InLetters + @")\s+(?=(?:minutes?|mins?|seconds?|secs?|metres?|meters?|yards?|sets?|reps?|rounds?|times)" + E + ")", "", "five 30m sprints, three minutes between", "5 x 30 m rest 3:00") with { Make = m => Number(m.Groups[1].Value) + " " },

        // Signs that join.
        Of(@"\s*(?:-+>|=+>|→)\s*", " then ", "sled 4 x 15m -> 2 x 20m", "4 x 15 m sled; 2 x 20 m"),
        Of(@"(?<=" + B + @"ins?)\s*&\s*(?=outs?" + E + ")", " and ", "ins & outs 4 x 60m", "fast-float-fast 4 x 60 m"),
        Of(@";\s*(?=(?:(?:" + Times + @"|\d{1,2}\s*')(?:\s*" + Resting + @")?|@?\s*\d{2,3}(?:-\d{2,3})?\s*%)\s*(?:;|,|$))", ", ", "5 x 30m; 3' rest; 95%", "5 x 30 m @95% rest 3:00"),
        Of(@"(?<=^[^\d]*)(\d{1,2})\s*x\s*(\d{1,2})\s*x\s*(\d{1,3}\s*" + U + @")\s*\(\s*(" + Time + @")\s*\)\s*,?\s*(" + Time + @")\s*$", "$1 x $2 x $3 rest $4/$5", "2 x 6 x 30m (25s) 4 min", "2 x 6 x 30 m rest 0:25/4:00"),

        Of(@"(?<=^\s*\p{L}[\p{L}' -]*\s)w/\s*(?=\p{L}{4})", "with ", "front plank w/ reach 3 x 8", "plank with reach 3 x 8 reps each side"),
        Of(@"(?<=\p{L})\s*&\s*(?=\p{L})", " and ", "sprint & stick 15m x 5", "stick the stop 5 x 15 m"),
        Of(@"(?<![\d.-])(\d\d)\s*%\s*\+(?=\s*(?:$|,|rest|\d))", "$1-100%", "60m x 4 @ 95%+ 6 min", "4 x 60 m @95-100% rest 6:00"),
        Of(@"(?<![\d.])(\d{1,2})\s*k(?![\p{L}\d])(?:\s+(easy|steady|brisk)(?:\s+(?:run|jog))?" + E + ")?", "$1 km $2", "jog 1k", "easy jog 1000 m"),
        Of(@"^\s*(?:hydration|drinks?)\s+breaks?" + E, "water break", "hydration break 2 min", "water break 2 min"),
        Of(@"^\s*free\s+(?:(?:sprints?|runs?)\s+)?(?=\d)", "", "sled 3 x 20m + free sprint 2 x 20m", "3 x 20 m sled; 2 x 20 m"),
        Of(@"^\s*repeat\s+(?=\d)", "", "repeat 30s every 90 s x 6", "6 x 30 s rest every 1:30"),
        Of(@"^(\s*\d{1,3}\s*" + T + @")\s*,?\s*(every\s+" + Time + @")\s*x\s*(\d{1,2})\s*$", "$3 x $1 $2", "30s every 90s x 6", "6 x 30 s rest every 1:30"),
        Of(@"(?<=^\s*(?:repeat\s+)?shuttles?(?:\s+runs?)?\s*)(\d{1,2})\s*x\s*\(\s*(\d{1,2}\s*[-/,]\s*\d{1,2}\s*[-/,]\s*\d{1,2})\s*(?:m|yd)?\s*\)", "$2 x $1", "shuttles 5 x (10-20-30)", "repeat shuttle 5 x 10 up + 10 back + 20 up + 20 back + 30 up + 30 m back"),
        Of(@"^\s*back(?:wards?)?\s+run\s+(?=\d{1,2}\s*(?:" + U + @")?\s*,?\s*(?:then\s+)?turn)", "backpedal ", "backward run 10m turn sprint 10m x 4", "4 x 10 backpedal + turn 180 + 10 m"),
        Of(B + @"w/o" + E, "without", "3x30m w/ sled, 3x30m w/o sled", "3 x 30 m sled; 3 x 30 m"),
        Of(B + @"from\s+(?:an?\s+)?crouch(?:ed|ing)?(?:\s+(?:starts?|position|stance))?" + E, " from standing <crouched> ", "4x20m from a crouch start, 2 min", "4 x 20 m from standing rest 2:00 cue \"crouched\""),
        Of(@"^\s*(\d{1,3}\s*" + U + @"(?:\s*fly(?:ing)?)?)\s*(?:" + Efforts + @"\s*)?:\s*(\d{1,2})\s*(?:x|reps?|runs?|sprints?|times)(?=\s*(?:$|,|@))", "$2 x $1", "30m sprints: 5 reps, 3 min rest", "5 x 30 m rest 3:00"),
        Of(@"(?<=,\s*)(\d{2,3})\s+(?=(?:walk|jog)\s*$)", "$1 m ", "tempo 6x200 @ 70%, 200 walk", "tempo run 6 x 200 m @70% rest 2:23"),
        Of(@"(?<=\d\s*x\s*(\d{3,4})\s*m(?:etres?|eters?)?\s*)(?:@|at)\s*(\d{1,2}):([0-5]\d)(?!\d|\s*(?:rest|/|per))", " in $2:$3 ", "4 x 1000m @ 3:45, 2:30 rest", "4 x 1000 m in 3:45 rest 2:30") with { Make = m => Parsed(m.Groups[1].Value) / ((60 * Parsed(m.Groups[2].Value)) + Parsed(m.Groups[3].Value)) is > LeastRunSpeed and < MostPace ? " in $2:$3 " : m.Value },
        Of(B + @"on\s+the\s+(?=\d{1,3}\s*" + T + ")", "on ", "20 x 20m on the 30 sec", "20 x 20 m rest every 0:30"),
        Of(@"^(.*\d\s*" + U + @")\s*,?\s*(every\s+" + Time + @")\s*x\s*(\d{1,2})\s*$", "$1 x $3 $2", "sprint 30m every 45s x 8", "8 x 30 m rest every 0:45"),
        Of(B + @"(?:with\s+|w/\s*)?(?:full|complete)\s+(?:recovery|rest|rec)\s*(?:of|=|-|:)\s*(?=\d)", " rest ", "4 x 30m with full recovery of 4 min", "4 x 30 m rest 4:00"),
        Of(@"^(\s*\p{L}[^,\d]*(?:x\s*)?\d{1,2}\s*(?:each|per|a)\s+(?:way|side|leg|direction))\s*,?\s+(" + Time + @")\s*$", "$1 rest $2", "pro agility 2 each way, 2 min", "five-ten-five 2 x 5 + turn 180 right + 10 + turn 180 left + 5 m each side rest 2:00"),

        // Sets said behind reps.
        Of(@"^\s*\(\s*(\d{1,2}\s*x\s*\d{1,3}\s*(?:" + U + @")?[^()+,/]*)\)\s*x\s*([1-9])(?!\d)", "$2 x ($1)", "(3 x 30m) x 2, rest 3' and 6'", "2 x 3 x 30 m rest 3:00/6:00"),
        Of(@"(?<=^\s*(?:[\p{L}][\p{L}' -]*\s)?)(\d{1,3}\s*" + U + @")\s*x\s*(\d{1,2})\s*x\s*([1-9])(?=\s*(?:$|,|rest|@))", "$3 x $2 x $1", "20m x 3 x 2, 90s, 5min", "2 x 3 x 20 m rest 1:30/5:00"),
        Of(@"(?<=\d\s*(?:s|secs?)\s*(?:off|rest|easy)\s*)x\s*(\d{1,2})\s*,?\s*x\s*([1-9])\s*sets?(?=\s*(?:$|,|rest))", "x $1 x $2 sets", "15s on 15s off x 10 x 2 sets", "2 x 10 x 15 s rest 0:15"),
        Of(@"^(.*?)(\d{1,3}\s*s(?:ecs?)?)\s*(?:on|run|work)\s*[,/]?\s*(\d{1,3}\s*s(?:ecs?)?)\s*(?:off|rest|easy)\s*x\s*(\d{1,2})\s*x\s*([1-9])\s*sets?" + E, "$1 $5 x $4 x $2 rest $3 ", "20s on 40s off x 6 x 2 sets", "2 x 6 x 20 s rest 0:40"),
        Of(@"^(?=.*\d\s*x\s*\(?\s*\d{1,2}\s*x)(.*)" + B + @"rest\s*(" + Times + @"|\d{1,2}\s*')\s*(?:and|&)\s*(" + Times + @"|\d{1,2}\s*')\s*$", "$1rest $2/$3", "2 x (3 x 30m) rest 3 min and 6 min", "2 x 3 x 30 m rest 3:00/6:00"),
        Of(@"(?<=\d\s*" + U + @"\s*x\s*\d{1,2}\s*)(?:,\s*)?(?:all|each)\s+(?:with\s+|w/\s*)?(" + Time + @"|\d{1,2}\s*')(?:\s*" + Resting + @")?\s*$", " rest $1", "20m x 2, 30m x 2, 40m x 2 all 3 min", "2 x 20 m rest 3:00; 2 x 30 m rest 3:00; 2 x 40 m rest 3:00"),
        Of(B + @"left\s*x?\s*(\d{1,2})\s*(?:,|/|and|&)?\s*right\s*x?\s*\1(?!\d)", "x $1 each side", "505 left x2 right x2", "ten-and-back 2 x 5 + turn 180 + 5 m each side"),

        // How hard.
        Of(@"(?:@|" + B + @"at)?\s*(?<![\d/])([5-9])\s*/\s*10\s*(?:effort|pace|speed|intensity)" + E, " @$1" + "0%", "30m x 5 @ 9/10 effort", "5 x 30 m @90%"),
        Of(@"^\s*sub[ -]?max(?:imal)?(?:\s+(?:sprints?|runs?|efforts?))?\s*:?\s*(?=\d)(.*)$", "$1 <not flat out>", "submax 4 x 60m", "4 x 60 m cue \"not flat out\""),
        Of(@"(?<=\d\s*" + U + @"[^;]*)" + B + @"sub[ -]?max(?:imal)?\s*(?:at|@|,)?\s*([5-9]\d)\s*%?(?!\d|\s*(?:" + U + "|" + T + "|kg|lb))", " @$1%", "5 x 30m submax 85", "5 x 30 m @85%"),
        Of(@"(?<=\d\s*" + U + @"\s*(?:" + Efforts + @"\s*)?)(?:,\s*)?hard(?=\s*(?:$|,|rest|x\s*\d|\d+\s*min))", " fast ", "5 x 30m hard", "5 x 30 m fast"),
        Of(@"(?:@|" + B + @"(?:at|in))\s*(?:the\s+)?((?:lactate\s+)?threshold(?:\s+pace)?|zone\s*[1-5]|z[1-5]|conversation(?:al)?\s+pace|talking\s+pace|race\s+pace)" + E, " <at $1> ", "3 x 8 min @ threshold", "3 x 8 min cue \"at threshold\""),
        Of(@"^\s*mas\s*(?:@|at)?\s*(\d{2,3})\s*%\s*:?\s*(?=\d)(.*)$", "$2 at $1% MAS", "MAS 100% 15s on 15s off x 10", "10 x 15 s 100% aerobic rest 0:15"),
        Of(@"^\s*(\d\d)\s*[:/]\s*(\d\d)\s*(?:mas\s*(?:@|at)?\s*(\d{2,3})\s*%|(?:@|at)?\s*(\d{2,3})\s*%\s*mas)\s*,?\s*(\d\s*x\s*\d{1,2}\s*min)" + E + "(.*)$", "$5 $1/$2 @ $3$4% MAS$6", "15:15 MAS 110% 2 x 6 min, 3 min", "2 x 12 x 15 s 110% aerobic rest 0:15/3:00"),
        Of(@"^\s*(\d{2,3})\s*%\s*(?:of\s+)?mas\s*:?\s*(?=\d)(.*)$", "$2 at $1% MAS", "120% MAS 2 x 6 min 15/15", "2 x 12 x 15 s 120% aerobic rest 0:15"),

        // Stretches.
        Of(@"^(?<n>\s*\d{1,2}\s*x\s*)?(?:sprint|accelerate|run)\s+(\d{1,2})\s*(" + U + @")?\s*(?:,|\+|then|and|into|to)?\s*(?:decel\p{L}*|brake|slow(?:\s*down)?)\s*(?:over|in|within|for)?\s*(\d{1,2})\s*(" + U + @")(?:\s*x\s*(?<n>\d{1,2}))?(?!\d)", "", "sprint 10m, decelerate 5m x 4", "4 x 10 fast + 5 m slow") with { Make = m => $"{(m.Groups["n"].Success ? string.Concat(m.Groups["n"].Value.Where(char.IsAsciiDigit)) + " x " : "")}{m.Groups[1].Value} fast + {m.Groups[3].Value} {m.Groups[4].Value} slow" },
        Of(@"^(?:decel(?:eration)?s?\s*:?\s+)?(?<n>\s*\d{1,2}\s*x\s*)?(\d{1,2})\s*(" + U + @")?\s*(?:sprint|run|accel\p{L}*|fast)\s*(?:,|\+|then|and|into|to)?\s*(\d{1,2})\s*(" + U + @")\s*(?:decel\p{L}*|brak(?:e|ing)|slow(?:\s*down)?|stop)(?:\s*x\s*(?<n>\d{1,2}))?(?=\s*(?:$|,|rest))", "", "10m sprint + 5m decel x 4", "4 x 10 fast + 5 m slow") with { Make = m => $"{(m.Groups["n"].Success ? string.Concat(m.Groups["n"].Value.Where(char.IsAsciiDigit)) + " x " : "")}{m.Groups[1].Value} fast + {m.Groups[3].Value} {m.Groups[4].Value} slow" },
        Of(@"(?<=^\s*(?:\d{1,2}\s*x\s*)?)(\d{1,2}\s*" + U + @")\s*(?:sprint|accel\p{L}*|run)?\s*(?:,|\+|then|and|into|to)\s*(?:an?\s+)?(?:hard|full|quick|dead|sharp)\s+(?:stop|brake)(?:\s*x\s*(\d{1,2}))?(?=\s*(?:$|,|rest))", "", "10m accel + hard stop x 5", "stick the stop 5 x 10 m") with { Make = m => $" stick the stop {(m.Groups[2].Success ? m.Groups[2].Value + " x " : "")}{m.Groups[1].Value} " },
        Of(@"(?<=" + B + @"(?:fly|flying|flys)" + E + @".*\s)(?<!(?:w/|with|,)\s*)(\d{1,2}\s*" + U + @")\s+in\s*$", "with $1 run-in", "15m fly x 3 25m in", "3 x 25 build + 15 m fly"),
        Of("^(.*?)" + B + FastFloat + @"\s*:?\s*(" + One + @")\s*[-/, ]\s*(" + One + @")\s*[-/, ]\s*(" + One + @")\s*(" + U + @")?\s*x\s*(\d{1,2})(?!\d)", "$1 $6 x $2 fast + $3 float + $4 $5 fast ", "sprint-float-sprint 20-20-20 x 3", "3 x 20 fast + 20 float + 20 m fast"),
        Of("^(.*?)" + B + @"hollow(?:\s+(?:sprints?|runs?))?\s*:?\s*(?:(\d{1,2})\s*x\s*)?(" + One + @")\s*[-/, ]\s*(" + One + @")\s*[-/, ]\s*(" + One + @")\s*(" + U + @")?(?!\d|\s*[x%])", "", "hollow sprints 30-30-30", "30 fast + 30 float + 30 m fast") with { Make = m => $"{m.Groups[1].Value} {(m.Groups[2].Success ? m.Groups[2].Value + " x " : "")}{m.Groups[3].Value} fast + {m.Groups[4].Value} float + {m.Groups[5].Value} {m.Groups[6].Value} fast " },

        // Shuttles by how they are made up, and tests with a name.
        Of(@"^\s*(?:\d{2,3}\s*(?<u>m|yd|yards?|metres?|meters?)\s*)?shuttles?(?:\s+runs?)?\s*\(\s*(?<a>\d{1,2})\s*(?:m|yd)?\s*x\s*(?<b>\d{1,2})\s*(?:m|yd)?\s*\)(?:\s*x\s*(?<n>\d{1,2}))?", "", "150m shuttle (25 x 6) x 3", "repeat shuttle 3 x 25 up + 25 back + 25 up + 25 back + 25 up + 25 m back") with { Make = Legs },
        Of(@"^\s*shuttles?(?:\s+runs?)?\s*(\d{1,2})\s*x\s*(\d{1,3})\s*(m|yd)\s*\(\s*(\d{1,2})\s*(?:m|yd)?\s*(?:there|out|up|down)\s*(?:,|\+|and|&)?\s*\4\s*(?:m|yd)?\s*back\s*\)", "repeat shuttle $1 x $4 up + $4 $3 back", "shuttle 6 x 20m (10 there 10 back)", "repeat shuttle 6 x 10 up + 10 m back"),
        Of(@"^\s*bronco(?:\s+(?:runs?|tests?|shuttles?))?\s*$", "repeat shuttle 5 x 20 up + 20 back + 40 up + 40 back + 60 up + 60 m back timed", "bronco test", "repeat shuttle 5 x 20 up + 20 back + 40 up + 40 back + 60 up + 60 m back log time"),
        Of(@"^\s*cooper(?:'?s)?(?:\s+(?:tests?|runs?))?\s*$", "12 min <as far as possible>", "cooper test", "12 min cue \"as far as possible\""),
        Of(@"^\s*tests?\s*:\s*(?=\p{L}|\d{1,2}-\d)", "", "test: broad jump x 3", "broad jump 3 reps"),
        Of(@"^\s*(?<at>\d{1,2})\s*(?:m|yd)?(?:\s*/\s*(?<at>\d{1,3})\s*(?:m|yd)?){0,3}\s*/\s*(?<last>\d{1,3})\s*(?<u>m|yd)?\s*(?:sprint\s+)?(?:tests?|timed)(?=\s*(?:x|$|,))", "", "10/30m test x 3", "3 x 30 m gates 10,30 log time") with { Make = m => $"{m.Groups["last"].Value} {(m.Groups["u"].Success ? m.Groups["u"].Value : "m")} gates {string.Join(",", m.Groups["at"].Captures.Select(c => c.Value))},{m.Groups["last"].Value} timed" },
        Of(B + @"(505|5-10-5|pro[ -]agility|t)\s+(?:agility|change[ -]of[ -]direction|cod)\s+tests?\s*,?\s*", "$1 ", "505 agility test, 2 each side", "ten-and-back 2 x 5 + turn 180 + 5 m each side"),
        Of(@"^\s*cool[ -]?down\s*[:,-]?\s*(?=(?:jog|walk)\s+\d{3,4}\s*m" + E + ")", "", "cool down jog 800m", "easy jog 800 m"),

        // What it is done over, between or with.
        Of(@"(?<=^\s*(?:mini[ -]?hurdles?|wickets?)(?:\s+(?:runs?|drills?|sprints?))?)\s*:?\s+(\d{1,2})\s*x\s*(\d{1,2})\s*(hurdles|wickets|sticks)" + E, " $1 passes <$2 $3>", "wickets: 6 x 12 hurdles", "mini-hurdle run 6 passes cue \"12 hurdles\""),
        Of(@"(?<=^\s*(?:mini[ -]?hurdles?|wickets?)(?:\s+(?:runs?|drills?|sprints?))?)\s+(?<a>\d{1,2})\s*x\s*(?<b>\d{1,2})(?=\s*(?:$|,|rest))", "", "mini hurdles 10 x 4", "mini-hurdle run 4 passes cue \"10 of them\"") with { Make = m => Parsed(m.Groups["a"].Value) is var a && Parsed(m.Groups["b"].Value) is var b && a != b && Math.Min(a, b) > 1 ? $" {Math.Min(a, b)} passes <{Math.Max(a, b)} of them> " : m.Value },
        Of(@"(?<=^\s*(?:mini[ -]?)?(?:wickets?|hurdles?|sticks?)(?:\s+(?:runs?|drills?|sprints?))?)\s+(\d{1,2})\s*(hurdles?|wickets?|sticks?)\s*x\s*(\d{1,2})(?!\d)", " $3 passes <$1 $2>", "wicket run 8 hurdles x 5", "mini-hurdle run 5 passes cue \"8 hurdles\""),
        Of(@"^(?!.*(?:hops?|jumps?|rebounds?)\s+over\s)(.*\p{L}\s+)over\s+(?:the\s+)?((?:\d{1,2}\s+)?(?:mini[ -]?|low\s+|small\s+)?(?:hurdles?|cones?|sticks?|wickets?))(?=\s*(?:$|,|x?\s*\d))(.*)$", "$1 $3 <over $2>", "high knees over mini hurdles x 4", "high knees 4 x 15 m cue \"over mini hurdles\""),
        Of("^(.*" + B + @"(?:zig[ -]?zags?|slaloms?|weave)(?:\s+runs?)?\s*)(?:through\s+|round\s+|over\s+)?(\d{1,2}\s+(?:cones?|poles?|gates))" + E + "(.*)$", "$1 $3 <$2>", "zig zag 6 cones x 4", "zigzag run 4 x 5 + cut 100 left + 5 + cut 100 right + 5 + cut 100 left + 5 m cue \"6 cones\""),
        Of(B + @"forwards?\s*(?:and|&|/|,)\s*back(?:wards?)?" + E, " <forwards and backwards> ", "skips 2 x 20m forward and back", "easy skip 2 x 20 m cue \"forwards and backwards\""),
        Of(B + @"snatch[ -]grip\s+(?=rdl|romanian|deadlift)", " <snatch grip> ", "snatch grip RDL 3 x 6", "romanian deadlift 3 x 6 reps cue \"snatch grip\""),
        Of(B + @"(?:assisted|overspeed)\s+(?:sprints?|runs?)?\s*(?:with|w/|by|on)\s+(?:an?\s+)?(?:bungees?|bands?|cords?|elastics?)" + E, "tow", "assisted sprints with bungee 3 x 30m", "3 x 30 m tow"),
        Of(@"^\s*(\d)\s*(?:v|vs|on|against)\.?\s*(\d)\s+(?:races?|sprints?|runs?)\s*:?\s*(?=\d)(.*)$", "$3 <$1 against $2>", "2 v 2 races 20m x 6", "6 x 20 m cue \"2 against 2\""),
        Of(@"^\s*race\s+starts?\s*:?\s*(?=\d)", "", "race starts 4 x 30m", "4 x 30 m"),
        Of("^(.*?)" + B + @"(?:with\s+|w/\s*)?(?:an?\s+)?(" + Belts + ")" + E + "(.*)$", "$1 band $3 <$2> ", "3x20m bullet belt", "3 x 20 m band cue \"bullet belt\""),

        // Who, without a colon; a warm-up or cool-down told in words.
        Of(@"^\s*(group\s+[\p{L}\d]{1,3})\s+(?=\d+\s*(?:x|" + U + @"))([^;]*)$(?<!\s/\s.*)(?<!,\s*group\s.*)", "", "group A 4x30m, 3 min", "4 x 30 m rest 3:00 for \"group A\"") with { Make = m => $"{RestSaid(m.Groups[2].Value)} for $1" },
        Of(@"^\s*warm[ -]?up\s*[:,-]?\s*(\d{1,2}\s*" + T + @")\s*[:,(-]\s*(?:with\s+)?(\p{L}[\p{L}' -]*(?:(?:,|&|\+|/)\s*\p{L}[\p{L}' -]*)*)\)?\s*$", "raise $1 <$2>", "warmup 15 mins: jog, drills, strides", "raise 15 min cue \"jog, drills, strides\""),
        Of(@"^\s*warm[ -]?up\s*[:,-]?\s*(\p{L}[\p{L}' -]*(?:,|&|\+|/|and\s)\s*\p{L}[\p{L}' -]*(?:(?:,|&|\+|/)\s*\p{L}[\p{L}' -]*)*?)\s*,?\s*(\d{1,2}\s*" + T + @")\s*$", "raise $2 <$1>", "warm up: jog, dynamic stretching, drills 15 min", "raise 15 min cue \"jog, dynamic stretching, drills\""),
        Of(@"^\s*cool[ -]?down\s*[:,-]?\s*(jog|walk|bike|row|swim)\s*(\d{1,2}\s*" + T + @")\s*(?:and|&|\+|,|then)\s*(?:static\s+|light\s+)?(stretch(?:es|ing)?|walk|breathe|foam roll(?:ing)?|mobility)\s*$", "cool-down $2 <$1 and $3>", "cool down jog 5 min and stretch", "cool-down 5 min cue \"jog and stretch\""),
    ];

    // A time alone at the end is a rest before anything is put behind it.
    private static string RestSaid(string line) => TimeAtEnd.Replace(line, " rest $1");

    private static readonly Regex TimeAtEnd = new(@"(?<=x\s*\d.*)(?<!rest|recovery)\s*,?\s+(" + Times + @")\s*$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, TimeSpan.FromMilliseconds(250));

    // So many legs of one length, there and back.
    private static string Legs(Match match)
    {
        var (each, legs) = (match.Groups["a"].Value, (int)Parsed(match.Groups["b"].Value));
        if (legs > Parsed(each))
        {
            // 6 x 25 m or 25 m x 6: nobody turns more often than a leg has metres.
            (each, legs) = (match.Groups["b"].Value, (int)Parsed(match.Groups["a"].Value));
        }

        if (legs % 2 == 1 || legs > 20)
        {
            return match.Value;
        }

        var unit = match.Groups["u"].Success ? match.Groups["u"].Value : "m";
        var parts = Enumerable.Range(0, legs).Select(i => string.Create(CultureInfo.InvariantCulture, $"{each}{(i == legs - 1 ? " " + unit : "")} {(i % 2 == 0 ? "up" : "back")}"));
        return $"repeat shuttle {(match.Groups["n"].Success ? match.Groups["n"].Value + " x " : "")}{string.Join(" + ", parts)}";
    }
}
