using System.Globalization;
using System.Text.RegularExpressions;
using InchBurst.Core.Catalogue;

namespace InchBurst.Core.Shorthand;

/// <summary>The habits of saying how often and after what: numbers in words in front of a length, runs every so often, rest said in brackets, which reps are done how.</summary>
public static partial class LineHabits
{
    private const string Strides = @"(?:back[ -]?pedal|shuffle|crossover|jog|skip|walk|bound|hop|march)";
    private const string OneKind = @"(?:fl(?:ys|ies|yings?)|hills|sleds|strides)";
    private const string PlainRuns = @"(?:sprints?|dash(?:es)?|accelerations?|accels?|runs?|efforts?|bursts?|starts)";

    private static Habit[] Often() =>
    [
        // How many, in a word or without a sign.
        Of(@"^\s*(an?|one|" + InLetters + @")\s+(\d{2,3}\s*" + U + @")(?:\s*" + PlainRuns + E + ")?", "", "one 150m at 90", "150 m @90%") with { Make = m => $"{(m.Groups[1].Value.ToLowerInvariant() is "a" or "an" or "one" ? "1" : Number(m.Groups[1].Value))} x {m.Groups[2].Value}" },
        Of(@"^\s*(\d{1,2})\s+(\d{2,3}\s*(?:m|yd))\s*" + PlainRuns + E, "$1 x $2 ", "3 40m runs, 2 min", "3 x 40 m rest 2:00"),
        Of(@"^\s*(\d{1,2})\s+(?=\d{2,3}\s*(?:m|yd)\s*" + OneKind + E + ")", "$1 x ", "2 30m flys", "2 x 30 build + 30 fly + 20 m slow"),
        Of(@"^\s*([2-9]|1[0-2])\s+((?:\p{L}+[ -]){0,2}(?:jumps|hops|bounds|leaps))\s+for\s+(distance|height|speed)\s*x\s*(\d{1,2})(?!\d|\s*" + U + ")", "$2 $4 x $1 <for $3>", "10 bounds for distance x 3", "alternate bound 3 x 10 reps cue \"for distance\""),
        Of(@"(?<=\d\s*(?:" + U + @")?\s*|\p{L}\s+)x?\s*(\d{1,2})\s*L\s*(?:,|/|and|&|\+)?\s*(?:x\s*)?\1\s*R(?=\s*(?:$|,|rest|@))", " x $1 each side", "curve 40m x 2 L 2 R", "curve run 2 x 40 m each side"),
        Of(@"(?<=\d\s*" + T + @")\s+sides?(?=\s*(?:$|,|rest))", " each side", "copenhagen 2 x 20s side", "copenhagen plank 2 x 20 s each side"),
        Of(@"^\s*(?:(?<n>\d{1,2})\s*x?\s*)?(?:down|out|there|up)\s*(?:and|&|-)?\s*backs?\s*(?:x\s*(?<n>\d{1,2}))?\s*(?:,|of|x|over|\()?\s*(?<far>\d{1,3})\s*(?<u>m|yd)\s*\)?(?:\s*x\s*(?<n>\d{1,2}))?(?!\d)", "", "down and backs x 6 25m", "repeat shuttle 6 x 25 up + 25 m back") with { Make = m => $"repeat shuttle {(m.Groups["n"].Success ? m.Groups["n"].Value + " x " : "")}{m.Groups["far"].Value} up + {m.Groups["far"].Value} {m.Groups["u"].Value} back " },

        Of(@"^\s*(\d{1,2})\s+(?:starts|sprints|dashes|accelerations|accels|efforts|bursts)\s*(?:,|at|over|x)?\s*(?=\d{1,3}\s*" + U + ")", "$1 x ", "4 starts 20m", "4 x 20 m"),
        Of(@"^\s*(\d{1,2}|" + InLetters + @")\s*(?:x|goes?|times?|passes|runs?|reps?|rounds?)\s*(?:of|on|through|over)?\s*(?:the\s+)?(?:agility\s+|speed\s+)?ladders?(?=\s*(?:$|,|rest))", "", "4 goes of the ladder", "quick feet 4 passes") with { Make = m => $"quick feet {(char.IsAsciiDigit(m.Groups[1].Value[0]) ? m.Groups[1].Value : Number(m.Groups[1].Value))} passes" },
        Of(@"^\s*(?:leg\s+)?swings?\s+([^,]*?\d[^,]*?)\s+(sideways|side[ -]to[ -]side|forwards?|front[ -]to[ -]back|lateral(?:ly)?)\s*$", "", "leg swings 15 each leg sideways", "leg swing sideways 15 reps each side") with { Make = m => $"leg swing {(m.Groups[2].Value.StartsWith('f') || m.Groups[2].Value.StartsWith('F') ? "forwards" : "sideways")} {m.Groups[1].Value}" },
        Of(@"^\s*(?:(?<who>\p{L}[\p{L} ]{1,20}?)\s*:\s*(?<what>\d[^:,;/""]*?)\s*[,/]\s*)+(?<who>\p{L}[\p{L} ]{1,20}?)\s*:\s*(?<what>\d[^:,;/""]*)$", "", "sprinters: 4x30m, jumpers: 3x20m", "4 x 30 m for \"sprinters\"; 3 x 20 m for \"jumpers\"") with { Make = ForEach },

        Of(@"(?<=^\s*\d{1,3}\s*" + U + @"\s*x\s*|^\s*\d{1,2}\s*x\s*)(" + InLetters + @")(?=\s*(?:$|,|rest|x))", "", "20 metres x five", "5 x 20 m") with { Make = m => Number(m.Groups[1].Value) },
        Of(@"^\s*(\d{1,2})\s*x\s*(\d{1,3}\s*" + U + @")\s*x\s*([1-9])\s*sets?" + E, "$3 x $1 x $2", "4 * 20 m * 2 sets", "2 x 4 x 20 m"),
        Of(@"^\s*sets?\s+of\s+(\d{1,2})\s*x\s*(\d{1,3}\s*" + U + @")\s*x\s*([1-9])(?!\d)", "$3 x $1 x $2", "sets of 4 x 20m x 3", "3 x 4 x 20 m"),
        Of(@"(?<=^\s*\d\s*x\s*\d{1,2}\s*x\s*)(\d{1,2}[05])(?=\s*,\s*" + Time + ")", "$1 m", "3 x 4 x 20, 60s, 4 min", "3 x 4 x 20 m rest 1:00/4:00"),
        Of(@"^\s*timed\s+([1-4]0)s(?=\s*(?:x|$))", "$1 m timed", "timed 30s x 3", "3 x 30 m log time"),

        Of(@"(?<=\d)\s*½|(?<=\d)\s+1/2(?=\s*(?:min|m" + E + "|s" + E + "|sec))", ".5", "5 x 20 m rest 2½ min", "5 x 20 m rest 2:30"),
        Of(@"^\s*(\d{1,2})\s+lots?\s+of\s+(?=\d)", "$1 x ", "4 lots of 30 m", "4 x 30 m"),
        Of(@"^\s*(\d{1,3}\s*" + U + @")\s*" + PlainRuns + @"\s+(\d{1,2})\s*times" + E, "$2 x $1 ", "20 m sprint 6 times", "6 x 20 m"),

        Of(@"^\s*(sled|band|chain|vest|parachute)s?(?:\s+(?:sprints?|runs?|pulls?|push(?:es)?|drags?))?\s*x\s*(\d{1,2})\s*,?\s+(?=\d{1,3}\s*" + U + ")", "$1 $2 x ", "sled sprints x 6 15m", "6 x 15 m sled"),
        Of(@"^(\s*(?:505|5-10-5)\s*(?:x\s*)?\d)\s*x?\s*((?:each|per|a)\s+(?:way|side|leg|direction))\s*,?\s+(" + Time + @")\s*$", "$1 x $2 rest $3", "505 3x each side 2 min", "ten-and-back 3 x 5 + turn 180 + 5 m each side rest 2:00") with { Make = m => $"{m.Groups[1].Value.Replace("x", "", StringComparison.OrdinalIgnoreCase).TrimEnd()[..^1]} x {m.Groups[1].Value[^1]} {m.Groups[2].Value} rest {m.Groups[3].Value}" },
        Of(@"\s+down\s*,?\s*(?:and\s+)?(walk|jog)\s+back\s*,?\s*x\s*(\d{1,2})(?=\s*(?:$|,))", " x $2, $1 back", "B skip 15m down, walk back x 3", "B-skip 3 x 15 m rest walk-back"),
        Of(@"^\s*(\p{L}[\p{L}' -]*?)\s+L\s*(\d{1,2}\s*x\s*\d{1,2})\s*(?:,|/|and|&)?\s*R\s*\2\s*$", "", "hops L 3x5, R 3x5", "single-leg hop for distance 3 x 5 reps each side") with { Make = m => $"{(m.Groups[1].Value.Trim().ToLowerInvariant() is "hops" or "hop" ? "single leg hops" : m.Groups[1].Value)} {m.Groups[2].Value} each side" },
        Of(@"^\s*(?:med(?:icine)?[ -]?balls?)\s+(\d{1,2})\s+throws?" + E, "medicine ball throws $1 reps", "medball 5 throws", "chest throw 5 reps"),
        Of(@"(?<=^\s*\p{L}[\p{L}' -]*throws?)\s+(\d{1,2})\s*x\s*(?=\d{1,2}(?:\.\d)?\s*kg)", " $1 reps ", "scoop throws 6 x 4kg", "scoop throw 6 reps 4 kg"),

        // Several lengths with their units, parted by strokes or by nothing.
        Of(@"^(?!.*(?:test|timed|gates?))(\s*(?:\d{1,2}\s*x\s*)?)(?<each>\d{1,3}\s*(?:m|yd?))(?:(?:\s*/\s*|\s+)(?<each>\d{1,3}\s*(?:m|yd?))){1,5}(?=\s*(?:$|,|x\s*\d|starts?|sprints?|runs?|accel|from|walk|@|rest))(?:\s*(?:starts?|sprints?|runs?|accelerations?|accels?)" + E + ")?", "", "10m/20m/30m x2", "2 x 10 m; 2 x 20 m; 2 x 30 m") with { Make = m => m.Groups[1].Value + string.Join(", ", m.Groups["each"].Captures.Select(c => c.Value)) },
        Of(@"^\s*(?<n>\d{1,2}\s*x\s*)?fl(?:y|ying)\s+(?<one>\d{2})s?\s*(?:and|&|,|\+|/)\s*(?<other>\d{2})s\s*(?:x\s*(?<n>\d{1,2}))?(?=\s*(?:$|,|rest))", "", "fly 20s and 30s x2", "2 x 30 build + 20 fly + 20 m slow; 2 x 30 build + 30 fly + 20 m slow") with { Make = m => string.Concat(m.Groups["n"].Value.Where(char.IsAsciiDigit)) is { Length: > 0 } count ? $"{count} x fly {m.Groups["one"].Value}; {count} x fly {m.Groups["other"].Value}" : $"fly {m.Groups["one"].Value}; fly {m.Groups["other"].Value}" },
        Of(@"^(\s*(?:\d{1,2}\s*x\s*)?)(\d{1,2})\s*(" + U + @")?\s*(?:fast|hard|sprint|on)\s*[,/+]?\s*(\d{1,2})\s*(" + U + @")?\s*(?:easy|relaxed|float|coast)(?:\s*x\s*(\d{1,2}))?(?=\s*(?:$|,\s*(?:rest|\d+\s*min)|rest))", "", "10 fast 10 easy x 5", "5 x 10 fast + 10 m float") with { Make = m => $"{m.Groups[1].Value}{(m.Groups[6].Success ? m.Groups[6].Value + " x " : "")}{m.Groups[2].Value} fast + {m.Groups[4].Value} {(m.Groups[5].Success ? m.Groups[5].Value : m.Groups[3].Success ? m.Groups[3].Value : "m")} float" },

        // One way of going into another, with a length for each.
        Of(@"^\s*(?:lateral\s+|side\s+)?(" + Strides + @")s?\s+(?:in)?to\s+(?:an?\s+)?(?:sprint|run)s?\s*:?\s*(\d{1,2})\s*x\s*\(?\s*(\d{1,2})\s*(?:" + U + @")?\s*(?:\+|/|,|-)\s*(\d{1,2})\s*(" + U + @")?\s*\)?", "", "backpedal to sprint 4 x 10+20m", "4 x 10 backpedal + 20 m sprint") with { Make = m => $"{m.Groups[2].Value} x {m.Groups[3].Value} {m.Groups[1].Value} + {m.Groups[4].Value} {(m.Groups[5].Success ? m.Groups[5].Value : "m")} sprint " },
        Of("^(.*?)" + B + FastFloat + @"(?:\s+(?:sprints?|runs?))?\s*:?\s*(\d{1,2})\s*x\s*(\d{2,3})\s*(" + U + @")?\s*,?\s*(\d{2})\s*[-/,+ ]\s*(\d{2})\s*[-/,+ ]\s*(\d{2})\s*(?:" + U + @")?\s*\)?", "", "fast float fast 3 x 60m 20-20-20", "3 x 20 fast + 20 float + 20 m fast") with { Make = InThree },
        Of("^(.*?)" + B + @"(?:float(?:ing)?|ins?[ -](?:(?:and|&|n)[ -])?outs?)(?:\s+(?:sprints?|runs?))?\s*:?\s*(\d{1,2})\s*x\s*(\d{2,3})\s*(" + U + @")?\s*,?\s*(\d{2})\s*[-/,+ ]\s*(\d{2})\s*[-/,+ ]\s*(\d{2})\s*(?:" + U + @")?\s*\)?", "", "float sprint 3x60m 20-20-20", "3 x 20 fast + 20 float + 20 m fast") with { Make = InThree },

        // Every so often.
        Of(@"(?:,\s*)?" + B + @"(?:go(?:ing)?|leav(?:e|ing)|start(?:ing)?|off(?:\s+the\s+line)?|one|a\s+(?:run|rep|sprint)|(?:run|rep)s?)\s+every\s+(?=\d)", " every ", "6 x 20 m off the line every 90s", "6 x 20 m rest every 1:30"),
        Of(B + @"e\s?(\d{1,3})\s*(s|secs?|m|mins?)(?:om)?" + E + @"(?!\s*\d)", "", "10 x 10m E30S", "10 x 10 m rest every 0:30") with { Make = m => $" rest every {m.Groups[1].Value} {(char.ToLowerInvariant(m.Groups[2].Value[0]) == 's' ? "s" : "min")} " },

        Of(@"(?<=\d\s*x\s*\(?\s*\d{1,2}\s*x\s*\d{1,3}\s*" + U + @"\s*\)?\s*),?\s*(\d{1,2})\s*/\s*(\d{1,2})\s*(?:mins?|minutes?|')(?=\s*(?:$|,))", " rest $1 min/$2 min", "4x(2x20m) 1/3 min", "4 x 2 x 20 m rest 1:00/3:00"),

        Of(@"^\s*(?:rest\s*:?\s*(" + Time + @"|\d{1,2}\s*')|(" + Time + @"|\d{1,2}\s*')\s*(?:rest|recovery|rec))\s*[:,-]?\s+(?=\d{1,2}\s*x\s*\d|\d{1,3}\s*" + U + ")(.*)$", "$3 rest $1$2", "rest 3 min: 4 x 30m", "4 x 30 m rest 3:00"),
        Of(@"(?<=(?<![\d.])(\d{2,3})\s*m?\s*)\(\s*(\d{1,3}(?:\.\d{1,2})?)\s*s(?:ecs?)?\s*\)(?=\s*,?\s*(?:rest|" + Time + "))", "", "4 x 200 m (30 s), 3 min", "4 x 200 m in 30 s rest 3:00") with { Make = m => IsPace(m.Groups[1].Value, m.Groups[2].Value) ? $" in {m.Groups[2].Value} s " : m.Value },
        Of(@"(?<=x\s*(\d{2,3})\s*m(?:etres?)?\s+)(\d{1,3})\s*s(?:ecs?)?\s*,?\s+(?:w/\s*|with\s+|rest\s+|r\s+)?(" + Time + @"|\d{1,2}\s*')(?:\s*(?:rest|rec|recovery))?\s*$", "", "2 x 400m 60s 8 min", "2 x 400 m in 60 s rest 8:00") with { Make = m => IsPace(m.Groups[1].Value, m.Groups[2].Value) ? $" in {m.Groups[2].Value} s rest {m.Groups[3].Value}" : m.Value },

        Of(B + @"(full|complete)\s+(?:recovery|rest|rec)\s*,?\s*(?=\d{2,3}(?:\s*-\s*\d{2,3})?\s*%\s*$)(\d{2,3}(?:\s*-\s*\d{2,3})?\s*%)", " @$2 $1 recovery", "5 x 30 m full recovery 95%", "5 x 30 m @95% rest 1:00/10 m"),
        Of(B + @"rec\.\s*(?=\d)", " rest ", "5x20m, rec. 2 min", "5 x 20 m rest 2:00"),

        Of(@"^\s*([1-9])\s*x\s*\(\s*(\d{1,2}\s*x\s*\d{1,3}\s*(?:" + U + @")?)\s*,?\s*(?:w/|with|rest|/|@)?\s*(" + Time + @"|\d{1,2}\s*')\s*(?:rest|rec\w*)?\s*\)\s*,?\s*(?:rest\s*)?(" + Time + @"|\d{1,2}\s*')(?:\s*(?:rest|rec\w*|between(?:\s+sets?)?))?\s*$", "$1 x $2 rest $3/$4", "2 x (4 x 30m w/ 2min) 6 min", "2 x 4 x 30 m rest 2:00/6:00"),

        // Rest, said in brackets, for each sort, or without an amount.
        Of(@"\(\s*([^()]*\d[^()]*" + B + @"(?:between|btw|b/w)" + E + @"[^()]*)\)", ", $1", "2 x 4 x 30 m (2 min between reps, 5 min between sets)", "2 x 4 x 30 m rest 2:00/5:00"),
        Of(@"(?<=\d\s*x\s*\d{1,2}\s*x?.*),\s*(" + Time + @"|\d{1,2}\s*'),\s*(" + Time + @"|\d{1,2}\s*')\s*(?:between\s+|btw\s+|b/w\s+)?sets?\s*$", " rest $1/$2", "2 sets of 3x150m 85%, 3min, 8min sets", "2 x 3 x 150 m @85% rest 3:00/8:00"),
        Of(@"(?<=\d\s*(?:" + U + @")?\s+)w\s+(?=\d{1,2}\s*(?:'|mins?|:\d\d))", "rest ", "4x30 w 3'", "4 x 30 m rest 3:00"),
        Of(@",?\s*" + B + @"(?:with\s+|w/\s*)?(?:an?\s+)?((?:long|short|minimal|adequate|sufficient|generous|plenty\s+of|incomplete|partial|active|passive|natural|self[ -]paced|own)\s+(?:rests?|recovery|recoveries|rec))\s*$", " <$1>", "4x30m long rest", "4 x 30 m cue \"long rest\""),
        Of(@"(?:,\s*)?" + B + @"(?:work\s*(?:to|:|/|-)?\s*rest|w\s*[:/]\s*r)(?:\s*ratio)?\s*(?:of|=|:)?\s*(\d{1,2})\s*(?::|to)\s*(\d{1,2})(?![\d:])|(?:,\s*)?(?<![\d:])(\d{1,2})\s*(?::|to)\s*(\d{1,2})\s*(?:work\s*(?:to|:|/|-)?\s*rest|w\s*[:/]\s*r)(?:\s*ratio)?" + E, "", "5 x 15m 1:10 work rest", "5 x 15 m rest 1 to 10") with { Make = m => m.Groups[1].Success ? $" rest {m.Groups[1].Value} to {m.Groups[2].Value} " : $" rest {m.Groups[3].Value} to {m.Groups[4].Value} " },
        Of(@"^\s*(\d\d)\s*[:/]\s*(\d\d)\s*x\s*(\d{1,2}\s*(?:min(?:ute)?s?|'))\s*x\s*([1-9])(?=\s*(?:$|,|sets?|@|at|rest))(?:\s*sets?)?", "$4 x $3 $1/$2 ", "15:15 x 8 min x 2", "2 x 16 x 15 s rest 0:15"),

        // How hard.
        Of(@"(?:,\s*)?" + B + @"(?:effort|intensity)\s*[:=]?\s*(?=\d{2,3}(?:\s*-\s*\d{2,3})?\s*%)", " @", "effort 95% 4x30m", "4 x 30 m @95%"),
        Of(@"(?<=\d\s*" + U + @"\s*(?:,\s*)?)([5-9])\s*/\s*10(?=\s*(?:$|,|rest))", " @$1" + "0%", "4 x 30m 9/10", "4 x 30 m @90%"),
        Of(@"(?<=\d\s*(?:" + U + @")?\s*(?:,\s*)?)(near(?:ly)?[ -]max(?:imal)?|close\s+to\s+max(?:imum)?)(?=\s*(?:$|,|rest))", " <$1>", "4 x 30m near max", "4 x 30 m cue \"near max\""),
        Of(@"(?<=\d\s*(?:" + U + @")?\s*(?:,\s*)?)(?:with\s+)?max(?:imal|imum)?\s+intent" + E, " full ", "4x30m max intent", "4 x 30 m full"),
        Of(@"(?<=x\s*\d{1,3}\s*" + U + @"\s+)building(?=\s*(?:$|,|rest))", "progressive", "4x30m building", "build-up 4 x 30 m"),
        Of(@"^\s*3\s*x\s*(\d{1,3}\s*" + U + @")\s*,?\s*([5-9]\d)\s*-\s*([6-9]\d)\s*-\s*([7-9]\d|100)\s*$", "", "3 x 20m 70-80-90", "3 x 20 m @70,80,90%") with { Make = m => Parsed(m.Groups[2].Value) < Parsed(m.Groups[3].Value) && Parsed(m.Groups[3].Value) < Parsed(m.Groups[4].Value) ? $"3 x {m.Groups[1].Value} @{m.Groups[2].Value},{m.Groups[3].Value},{m.Groups[4].Value}%" : m.Value },
        Of(@"(?<=\d\s*" + U + @"\s*(?:x\s*\d{1,2}\s*)?),?\s*((?:the\s+)?(?:first|last)\s+\d{1,2}\s*(?:m\s+)?(?:fast|easy|hard|flat\s+out|relaxed|full|max))\s*$", " <$1>", "40m x 4 last 20 fast", "4 x 40 m cue \"last 20 fast\""),
        Of(@"^\s*(\d{1,2})\s*x\s*(\d{2,3})\s*(" + U + @")?\s*[:=(-]\s*(\d{1,2})\s*(build|easy|fast|hard|float|fly)\s*[,/+]?\s*(\d{1,2})\s*(build|easy|fast|hard|float|fly|ease|slow)(?:\s*[,/+]?\s*(\d{1,2})\s*(easy|fast|hard|float|fly|ease|slow))?\s*\)?(?=\s*(?:$|,))", "", "4 x 60 - 20 build 20 fly 20 ease", "4 x 20 build + 20 fly + 20 m slow") with { Make = WholeInParts },

        Of(@"(?<=^\s*\p{L}[^;]*x\s*\d{1,2}\s*(?:reps?)?\s*(?:[^;]*\s)?)(?:,\s*)?(?:with\s+|w/\s*)?(?:an?\s+)?(?:(?:pause|hold)\s+(?:for\s+)?(?<n>\d)\s*s(?:ec(?:ond)?s?)?|(?<n>\d)\s*-?\s*s(?:ec(?:ond)?s?)?\s+pauses?)(?:\s+(?:at\s+(?:the\s+)?|on\s+)?(bottom|top|floor|chest))?" + E, "", "hip thrust 3x8 pause 2 s", "hip thrust 3 x 8 reps cue \"hold 2 s\"") with { Make = m => $" <hold {m.Groups["n"].Value} s{(m.Groups[1].Success ? " at the " + m.Groups[1].Value : "")}> " },

        // What it is to be run in.
        Of(@"(?<=(?<![\d.])(\d{1,3})\s*(?:m|metres?|meters?)\s*(?:x\s*\d{1,2}\s*)?),?\s*(?:(?:in\s+)?(?:under|below|less\s+than|quicker\s+than|faster\s+than)|in\s*<|<)\s*(\d{1,2}(?:\.\d{1,2})?)\s*(?:s(?:ec(?:ond)?s?)?)?(?=\s*(?:$|,|rest))", "", "4 x 30 m in under 4 s", "4 x 30 m in 4 s") with { Make = m => IsPace(m.Groups[1].Value, m.Groups[2].Value) ? $" in {m.Groups[2].Value} s " : m.Value },
        Of(@"(?<=(?<![\d.])(\d{1,3})\s*(?:m|metres?|meters?)\s*(?:x\s*\d{1,2}\s*)?)\(\s*(\d{1,2}\.\d{1,2})\s*(?:s(?:ec)?s?)?\s*\)", "", "30 m x 4 (4.10)", "4 x 30 m in 4.1 s") with { Make = m => IsPace(m.Groups[1].Value, m.Groups[2].Value) ? $" in {m.Groups[2].Value} s " : m.Value },
        Of(@"(?<=" + B + @"in\s+\d{1,3}(?:\.\d{1,2})?\s*s(?:ecs?)?\s*),?\s*off\s+(?=" + Time + ")", " rest ", "8 x 100 in 15 s off 60 s", "8 x 100 m in 15 s rest 1:00"),
        Of(@"@\s*>\s*(\d{2})\s*%", " @$1%+", "4 x 30 m @ >95%", "4 x 30 m @95-100%"),
        Of(@"@\s*0?\.([5-9]\d?)(?=\s*(?:$|,|rest))", "", "4 x 30 m @ 0.95", "4 x 30 m @95%") with { Make = m => $" @{m.Groups[1].Value.PadRight(2, '0')}% " },

        // What is said beside it.
        Of(@"(?<=\d.*),?\s*" + B + @"(film(?:ed)?(?:\s+(?:it|them|all|this|last(?:\s+one)?|from\s+(?:the\s+)?(?:side|front|back|behind)))?|(?:on|with)\s+video)\s*$", " <$1>", "20 m x 4 filmed from the side", "4 x 20 m cue \"filmed from the side\""),
        Of(@"(?<=\d.*),?\s*" + B + @"(?:L|left)\s+(foot|leg)\s+(forwards?|front|back|in\s+front|first)\s*(?:,|/|and|&|then)\s*(?:R|right)\s+\1\s+\2\s*$", " each side", "5 x 20m L foot forward, R foot forward", "5 x 20 m each side"),
        Of(@"(?<=\d.*),?\s*" + B + @"((?:left|right)\s+(?:foot|leg)\s+(?:back|behind|first))\s*$", " <$1>", "5 x 20 m left foot back", "5 x 20 m cue \"left foot back\""),
        Of(@"(?<=\d\s*" + U + @"\s*),?\s*paired\s*$", " <in pairs>", "4 x 20m paired", "4 x 20 m cue \"in pairs\""),
        Of(@"^\s*(?:recovery|easy)\s+walk\s*:?\s*(?=\d)", "walk ", "recovery walk 3 min", "walk and breathe 3 min"),

        // Which of them are done how, and how much is kept back.
        Of(@"(?<=\d\s*(?:" + U + @"|reps?)?\s*),?\s*[-,(]?\s*((?:the\s+)?(?:first|last|final|middle|every\s+(?:other|second|third))\s+(?:(?:one|two|three|[1-4])\s+)?(?:(?:reps?|runs?|sets?|ones?|sprints?)\s+)?(?:(?:is|are|at)\s+)?\p{L}+(?:[ -]\p{L}+){0,2})\)?\s*$", " <$1>", "5 x 40m last one timed", "5 x 40 m cue \"last one timed\""),
        Of(@"^\s*((?:first|last)\s+(?:one|two|three|\d)\s+\p{L}+(?:\s*,\s*(?:then\s+)?(?:(?:first|last|next)\s+(?:one|two|three|\d)|the\s+rest)\s+\p{L}+)+)\s*:\s*(?=\d)(.*)$", "$2 <$1>", "first 2 easy, last 2 hard: 4 x 60m", "4 x 60 m cue \"first 2 easy, last 2 hard\""),
        Of(@"(?:@\s*|,\s*)?" + B + @"(?:rir\s*(?<n>\d(?:\s*-\s*\d)?)|(?<n>\d(?:\s*-\s*\d)?)\s*(?:rir|reps?\s+in\s+reserve|(?:reps?\s+)?in\s+the\s+tank|left\s+in\s+the\s+tank))" + E, "", "squats 3x5 RIR 2", "squat 3 x 5 reps cue \"2 in reserve\"") with { Make = m => $" <{m.Groups["n"].Value} in reserve> " },
        Of(@",?\s*" + B + @"(?:the\s+)?best\s+(?:(?:one|time|of\s+them)\s+)?(?:counts?|scores?)\s*$", " <best counts>", "test 40 yd x 2 best counts", "2 x 40 yd log time cue \"best counts\""),

        Of(@"(?<=^\s*\p{L}[^()]*\d\s*x\s*\d{1,2}\s*(?:reps?)?\s*)\(\s*((?:very\s+)?(?:slow(?:ly)?|fast|explosive(?:ly)?|controlled|strict|light|easy))\s*\)\s*$", "<$1>", "nordic curls 3 x 5 (slow)", "hamstring lowering 3 x 5 reps cue \"slow\""),

        // From which position, and in which phase.
        Of(@"^\s*(\d{1,2}\s*x\s*)?(prone|supine|seated|sit(?:ting)?|kneeling|half[ -]kneeling|push[ -]?up|lying|roll(?:ing)?[ -]?over|falling|crouch(?:ed|ing)?|standing)\s+(?:(?:in)?to\s+)?(?:an?\s+)?(?:sprint|acceleration|accel|run)s?(?=\s*(?:\d|x\s*\d|:))", "$1 $2 start", "kneeling sprint 10m x 6", "6 x 10 m from kneeling") with { Make = m => $"{m.Groups[1].Value} {(m.Groups[2].Value.ToLowerInvariant() is var position && position.StartsWith("sit", StringComparison.Ordinal) ? "seated" : position.StartsWith("roll", StringComparison.Ordinal) ? "roll over" : position.StartsWith("crouch", StringComparison.Ordinal) ? "crouch" : position)} start" },
        Of(@"(?<=^\s*[2-4][ -]?(?:points?|pts?))\s+stance\s+(?:sprint|acceleration|run)s?(?=\s*\d)", " start", "4 point stance sprint 20m x 3", "3 x 20 m from 4-point"),
        Of(B + @"from\s+(?:an?\s+|the\s+|both\s+|your\s+)?(?:knees|kneel)" + E, "from kneeling", "from knees 10m x 6", "6 x 10 m from kneeling"),
        Of(@"^\s*(?:walk|jog|roll(?:ing)?|run)[ -]in(?:\s+(?:starts?|sprints?))?\s*:?\s*(?=\d{1,2}(?:\s*" + U + @")?\s*x|\d{1,2}\s*x)", "moving start ", "walk-in 20m x 4", "moving start 4 x 20 m"),
        Of(@"^\s*first\s+(?=\d{1,2}\s*" + U + @"\s*(?:x|only|$))", "", "first 10m x 8", "8 x 10 m"),
        Of(@"^\s*(drive\s+phase|push\s+phase|transition(?:\s+phase)?|zero\s+step|first\s+(?:(?:two|three|2|3)\s+)?steps?)\s*(?:starts?|sprints?|runs?|work|drills?|accelerations?|accels?)?\s*:?\s*(?=\d{1,2}\s*x\s*\d{1,2}\s*" + U + @"|\d{1,2}\s*" + U + ")(.*)$", "", "drive phase starts 5x20m", "5 x 20 m cue \"drive phase\"") with { Make = m => $"{RestSaid(m.Groups[2].Value)} <{m.Groups[1].Value}>" },
        Of(@"^\s*(?:on\s+)?(sand|beach|grass|turf|track|indoors?|barefoot|short|hard[ -]court)\s+(?:sprints?|accelerations?|accels?|dash(?:es)?)\s*:?\s*(?=\d)(.*)$", "", "sand sprints 5x20m", "5 x 20 m cue \"on sand\"") with { Make = m => $"{RestSaid(m.Groups[2].Value)} <{(m.Groups[1].Value.ToLowerInvariant() is var where && where is "barefoot" or "short" || where.StartsWith("indoor", StringComparison.Ordinal) ? where : "on " + where)}>" },
        Of(@"^\s*(barefoot|spiked)\s+(?=\p{L}[\p{L} -]*\d)(.*)$", "", "barefoot strides 4x60m", "build-up 4 x 60 m cue \"barefoot\"") with { Make = m => $"{RestSaid(m.Groups[2].Value)} <{m.Groups[1].Value}>" },
        Of(@"^\s*(?:stairs?|steps)\s+(bounds|hops|jumps|skips)" + E + "(.*)$", "", "stair bounds x 6", "alternate bound 6 x 20 m cue \"up the stairs\"") with { Make = m => $"{(m.Groups[1].Value.Equals("bounds", StringComparison.OrdinalIgnoreCase) ? "alternate bounds" : m.Groups[1].Value)} {m.Groups[2].Value} <up the stairs>" },
        Of(@"^\s*(?:bounds?|bounding)\s*(?=x\s*\d{1,2}\s*(?:$|,|rest|" + SaidClass + "))", "alternate bound ", "bounds x 6", "alternate bound 6 x 20 m"),
        Of(@"^\s*3[ -]?cones?(?:\s+drills?)?(?=\s*(?:x|\d|$))", "three-cone", "3 cone x 4", "three-cone 4 x 5 + turn 180 + 5 + turn 180 + 5 + cut 90 + 5 + turn 180 + 5 + cut 90 + 5 m"),
        Of(@"^\s*(lateral|sideways|side[ -]to[ -]side|forwards?|backwards?)\s+((?:single[ -]leg\s+)?pogos?(?:\s+(?:hops?|jumps?))?)(?=\s*\d)(.*?)(?<side>\s*(?:each|ea)(?:\s+(?:side|leg|way))?)?\s*$", "", "lateral pogos 2x10 each", "pogo hops 2 x 10 reps each side cue \"lateral\"") with { Make = m => $"{m.Groups[2].Value}{m.Groups[3].Value}{(m.Groups["side"].Success ? " each side" : "")} <{m.Groups[1].Value}>" },
        Of(@"(?<=^\s*(?:single[ -]leg\s+)?(?:pogos?|hops|line\s+hops|ankle\s+hops)(?:\s+(?:hops?|jumps?))?)\s+(forwards?|backwards?|sideways|side[ -]to[ -]side|in\s+place|on\s+the\s+spot)(?=\s*\d)(.*)$", " $2 <$1>", "pogos forward 2x10m", "pogo hops 2 x 10 m cue \"forward\""),

        // Who, when and with which gates, in front.
        Of(@"^\s*(?<who>(?:squad|team|group|line)\s+[\p{L}\d]{1,12})\s*:?\s*(?<what>\d[^:,;/""]*?)(?:\s*[,/]\s*(?<who>(?:squad|team|group|line)\s+[\p{L}\d]{1,12})\s*:?\s*(?<what>\d[^:,;/""]*?))+\s*$", "", "Squad A 4x20m, Squad B 4x30m", "4 x 20 m for \"Squad A\"; 4 x 30 m for \"Squad B\"") with { Make = ForEach },
        Of(@"^\s*((?:after|before|post|pre)[ -](?:the\s+)?(?:match|game|training|practice|gym|weights|session))\s*:\s*(?=\d)(.*)$", "", "after match: 4 x 60m strides", "build-up 4 x 60 m cue \"after match\"") with { Make = m => $"{RestSaid(m.Groups[2].Value)} <{m.Groups[1].Value}>" },
        Of(@"^\s*(?:gates?|timed|splits?)\s+(?:at\s+)?((?:\d{1,3}\s*(?:m\s*)?(?:,|and|&|/)\s*)+\d{1,3})\s*(?:m\s*)?:\s*(\d{1,2}\s*x\s*\d{1,3}\s*" + U + ")(.*)$", "$2 gates $1$3", "gates at 10 and 30: 4 x 30 m", "4 x 30 m gates 10,30"),
        Of(@"\(\s*((?:splits?|gates?|timed|times?)\s+[^()]*\d)\s*(?:m\s*)?\)", " $1 ", "4 x 40m (splits 10, 20, 40)", "4 x 40 m gates 10,20,40"),
        Of(@"^\s*(?:electronic(?:ally)?(?:[ -]tim(?:ing|ed))?|laser(?:[ -]tim(?:ing|ed))?|fat|gates?[ -]timed)\s*:?\s*(?=\d{1,3}\s*" + U + @"|\d{1,2}\s*x)(.*)$", "", "electronic timing 30m x 3", "3 x 30 m log time") with { Make = m => RestSaid(m.Groups[1].Value) + " timed" },
        Of(@"^\s*(?:max(?:imum)?\s+)?(?:sprint|speed|acceleration)\s+tests?\s*:?\s*(\d{1,3}(?:\s*/\s*\d{1,3}){1,4}\s*(?:m|yd))", "$1 test ", "sprint test 10/20/30m", "30 m gates 10,20,30 log time"),
        Of(@"^\s*(?:max(?:imum)?\s+)?(?:sprint|speed|acceleration)\s+tests?\s*:?\s*(?=\d)", "test ", "max sprint test 40 m x 2, 5 min", "2 x 40 m rest 5:00 log time"),
        Of(@"(\d{1,3}\s*%\s*(?:bw|bm|body[ -]?(?:weight|mass)))\s+(?:on\s+(?:the\s+|an?\s+)?)?(sled|vest)(?=\s*(?:$|,|rest))", " $2 $1 ", "5x20m 20%bw sled", "5 x 20 m sled 20%bm"),
        Of(@"^\s*sled\s*:?\s*(\d{1,2}\s*x\s*\d{1,2}\s*" + U + @"\s*(?:@\s*)?\d{1,3}\s*(?:kg|lb|%\s*b[wm]))\s*(?:,|\+|/|and|then)\s*(\d{1,2}\s*x\s*\d{1,2}\s*" + U + @"\s*(?:@\s*)?\d{1,3}\s*(?:kg|lb|%\s*b[wm]))\s*$", "sled $1; sled $2", "sled 3x10m 40kg, 3x20m 20kg", "3 x 10 m sled 40 kg; 3 x 20 m sled 20 kg"),
        Of(@"^\s*race\s+(\d\s*(?:v|vs|on)\.?\s*\d)\s*:?\s*(?=\d)(.*)$", "", "race 1v1 20m x 4", "4 x 20 m cue \"race 1v1\"") with { Make = m => $"{RestSaid(m.Groups[2].Value)} <race {m.Groups[1].Value}>" },

        // Flying runs, and stretches.
        Of(@"^\s*([5-9])\s*(?:x\s*)?(?:flys|flies|flyings)(?:\s*(?:runs?|sprints?))?\s*$", "$1 x fly 10", "6 flys", "6 x 20 build + 10 fly + 20 m slow"),
        Of(@"^(\s*(?:\d{1,2}\s*x\s*)?)(\d{2})\s*(" + U + @")\s+(\d{2})\s*(" + U + @")\s*fly(?=\s*(?:$|,|x|rest))", "$1$2 $3 build + $4 $5 fly", "30m 20m fly", "30 build + 20 m fly"),
        Of(@"(?<=fl(?:y|ying))['’]s" + E, "s", "3 x 30 fly's", "3 x 30 build + 30 fly + 20 m slow"),
        Of(@"(?<=\d\s*)(" + U + @")\s*fly\s+(\d{1,2}\s*" + U + @")\s*(?:build|run[ -]?in|run[ -]?up|approach)(?=\s*(?:$|,|x|rest))", "$1 fly with $2 run-in", "4 x 20 yd fly 30 yd build", "4 x 30 build + 20 yd fly"),
        Of(@"(?<![\d.])(\d{1,2})\s*(" + U + @")?\s*in\s*,\s*(?:then\s+)?(\d{1,2})\s*(" + U + @")?\s*fly(?=\s*(?:$|,|x))", "$1 $2 build + $3 $4 fly", "30 in, 20 fly", "30 build + 20 m fly"),
        Of(@"^\s*(\d{1,2}\s*x\s*)?fl(?:y|ying)\s+starts?\s*:?\s*(?=\d{1,2})", "$1 fly ", "flying start 20m x 4", "4 x 30 build + 20 fly + 20 m slow"),
        Of(@"^\s*(\d{1,2}\s*x\s*)?(\d{1,2}\s*" + U + @")\s*(?:from|with|off)\s+(?:an?\s+)?fl(?:y|ying)\s+start" + E, "$1 fly $2 ", "4 x 20m from a flying start", "4 x 30 build + 20 fly + 20 m slow"),
        Of(@"^(\s*(?:\d{1,2}\s*x\s*)?)fl(?:y|ying)[ -](?=\d{2}s" + E + ")", "$1 fly ", "fly-30s x 3, full recovery", "3 x 30 build + 30 fly + 20 m slow rest 1:00/10 m"),
        Of(@"^(\s*(?:\d{1,2}\s*x\s*)?)flying\s+(?:sprints?|runs?)\s*:?\s*(?=\d{1,2}\s*" + U + ")", "$1 fly ", "flying sprint 10 m x 4 20 m run up", "4 x 20 build + 10 m fly"),
        Of(@"^\s*max\s?v(?:el(?:ocity)?)?\s*:\s*(?=.*\d.*" + B + "fly)", "", "maxV: 4x20m fly, 30m run in, 5 min", "4 x 30 build + 20 m fly rest 5:00"),
        Of(@"(?<=" + B + @"fly\s*\d{1,2}\s*(?:" + U + @")?\s*(?:x\s*\d{1,2}\s*)?)(?:w/|with|off|from)\s*(?:an?\s+)?(\d{1,2}\s*" + U + @")\s*lead(?:[ -]?in)?(?=\s*(?:$|,))", "with $1 run-in", "4x fly 10yd w/ 20yd lead", "4 x 20 build + 10 yd fly"),
        Of(@"(?<=\d\s*" + U + @"\s*build)\s+(?:in)?to\s+(?:an?\s+)?(?=\d{1,2}\s*" + U + @"\s*fly)", " + ", "30 yd build to 30 yd fly", "30 build + 30 yd fly"),
        Of(@"(?<=\d\s*" + U + @"\s*)up\s*(?:and|&|,)?\s*back(?=\s*(?:x|$|,))", "out and back", "20m up and back x 6", "6 x 20 up + 20 m back"),
        Of(@"^\s*((?:extensive\s+|intensive\s+)?tempo)\s*(?:runs?\s*)?(\d{3,4})\s*m\s*(?:total)?\s*[:(,]\s*(\d{1,2})\s*x\s*(\d{2,3})(?:\s*m)?\s*\)?", "", "extensive tempo 2000m: 10x200", "tempo run 10 x 200 m") with { Make = m => Parsed(m.Groups[2].Value) == Parsed(m.Groups[3].Value) * Parsed(m.Groups[4].Value) ? $"tempo {m.Groups[3].Value} x {m.Groups[4].Value} m" : m.Value },
        Of(@"^\s*((?:easy\s+)?(?:jog|run|skip|bike|row|cycle|swim))\s+(\d{2,4}\s*" + U + @")\s*(?:,|\+|and|then)\s*((?:easy\s+)?(?:walk|jog))\s+(\d{2,4}\s*" + U + @")\s*$", "$1 $2; $3 $4", "jog 400m, walk 400m", "easy jog 400 m; walk and breathe 400 m"),
        Of(@"^\s*(easy|steady|brisk)\s+run\s*:?\s*(\d{1,3}\s*min(?:ute)?s?)" + E, "$2 $1", "steady run 25 min", "25 min steady"),

        Of(@"(?<=^\s*shuttles?)\s+(?:sprints?|runs?)\s*:?\s*(?=\d{1,2}\s*x\s*\d{1,3}\s*" + U + ")", " ", "shuttle sprints 6x20m 30s", "repeat shuttle 6 x 10 up + 10 m back rest 0:30"),

        Of(@"(?<=^\s*\d{1,2}\s*min(?:ute)?s?)\s+(?:of\s+)?(\d\d)\s*s?\s*on\s*,?\s*(\d\d)\s*s?\s*off" + E, " $1/$2", "12 min of 15 on 15 off", "24 x 15 s rest 0:15"),
        Of(@"^\s*(hips?|ankles?|shoulders?|thoracic|t[ -]spine|spine|backs?|groins?)\s+(?:mobility|mobilisation|mobilization)(?:\s+work)?\s*:?\s*(\d{1,2}\s*min(?:ute)?s?)" + E, "mobilise $2 <$1>", "hip mobility 5 min", "mobilise 5 min cue \"hip\""),

        // Shuttles, and work and rest by the clock.
        Of(@"^\s*(\d{1,3}\s*" + U + @")\s*shuttles?(?:\s+runs?)?\s*:?\s*(\d)\s*x\s*(\d{1,2})(?=\s*(?:$|,|rest))", "$2 x $3 x $1 shuttle", "15 m shuttle 3 x 6", "repeat shuttle 3 x 6 x 7.5 up + 7.5 m back"),
        Of(@"^\s*(\d{1,3}\s*" + U + @"\s*shuttles?(?:\s+runs?)?)\s*:?\s*([1-9])\s*sets?(?=\s*(?:$|,|\d+\s*min|rest))", "$1 x $2 ", "60 yard shuttle 2 sets 5 min", "repeat shuttle 2 x 30 up + 30 yd back rest 5:00"),
        Of(@"^\s*(\d{2,3}\s*(?:m|yd)\s*shuttles?(?:\s+runs?)?)\s*,?\s+(\d{2})\s*(?:m|yd)\s*(?:legs?\s*)?x\s*(\d{1,2})(?!\d)", "$1 ($2 m) x $3", "300 m shuttle 25 m x 2", "repeat shuttle 2 x 25 up + 25 back + 25 up + 25 back + 25 up + 25 back + 25 up + 25 back + 25 up + 25 back + 25 up + 25 m back"),
        Of(@"^\s*(\d{2,3}\s*(?:m|yd)\s*shuttles?(?:\s+runs?)?)\s*x\s*(\d{1,2})\s*\(\s*(\d{2})\s*(?:m|yd)\s*(?:legs?)?\s*\)", "$1 ($3 m) x $2", "150 m shuttle x 4 (25 m) 2 min", "repeat shuttle 4 x 25 up + 25 back + 25 up + 25 back + 25 up + 25 m back rest 2:00"),
        Of(@"^\s*(\d{2,3})\s*m\s*shuttles?(?:\s+runs?)?\s*x\s*(\d{1,2})\s*\(\s*(\d{1,2})\s*m?\s*\+\s*\3\s*m?\s*\)", "repeat shuttle $2 x $3 up + $3 m back", "40m shuttle x 6 (20+20)", "repeat shuttle 6 x 20 up + 20 m back"),
        Of(@"(\d{1,2})\s*x\s*(\d{1,2}\s*" + U + @")\s*L\s*(?:,|/|and|&|\+)?\s*\1\s*x\s*\2\s*R" + E, "$1 x $2 each side", "curved runs 4 x 30 m L, 4 x 30 m R", "curve run 4 x 30 m each side"),
        Of(@"(?<=^\s*(?:\d{1,2}\s*x\s*)?\d{1,2}\s*" + U + @")\s*(?:sprint|run)\s*(?:\+|,|and|&|to)\s*(?:an?\s+)?stop" + E, " into dead stop", "20 m sprint + stop x 5", "stick the stop 5 x 20 m"),
        Of(@"^\s*(" + Strides + @")s?\s+(\d{1,2})\s*(?:" + U + @")?\s*(?:,|then)?\s*sprint\s+(\d{1,2})\s*(" + U + @")?\s*x\s*(\d{1,2})(\s*each(?:\s+(?:side|way))?)?(?=\s*(?:$|,|rest))", "", "shuffle 5m sprint 10m x 4 each", "4 x 5 shuffle + 10 m sprint each side") with { Make = m => $"{m.Groups[5].Value} x {m.Groups[2].Value} {m.Groups[1].Value} + {m.Groups[3].Value} {(m.Groups[4].Success ? m.Groups[4].Value : "m")} sprint{(m.Groups[6].Success ? " each side" : "")} " },
        Of(@"(?<=x\s*)(\d{2,3})\s*m?\s*\(\s*(\d{1,2})\s*m?\s*\+\s*\2\s*m?\s*\)(?!.*" + B + "(?:build|fly|float))", "", "RSA 6x40 (20+20) 20s", "repeat sprints 6 x 20 up + 20 m back rest 0:20") with { Make = m => Parsed(m.Groups[1].Value) == 2 * Parsed(m.Groups[2].Value) ? $"{m.Groups[2].Value} up + {m.Groups[2].Value} m back" : m.Value },
        Of(@"^\s*(10|15|20|30|40|45|60)\s*s?\s*[-/:]\s*(10|15|20|30|40|45|60)\s*s?\s*(?:,|for|x)?\s*(\d{1,2}\s*min(?:ute)?s?)(?=\s*(?:$|,|@|at))", "$3 $1/$2 ", "15-15 8 min", "16 x 15 s rest 0:15"),
        Of(@"^\s*(10|15|20|30|40|45|60)\s*s?\s*[-/:]\s*(10|15|20|30|40|45|60)\s*s(?:ecs?)?\s*x\s*(\d{1,2})(?:\s*x\s*([1-9]))?(?=\s*(?:$|,|@|at|rest))", "", "30-30s x 10", "10 x 30 s rest 0:30") with { Make = m => $"{(m.Groups[4].Success ? m.Groups[4].Value + " x " : "")}{m.Groups[3].Value} x {m.Groups[1].Value} s rest {m.Groups[2].Value} s " },

        // With what.
        Of(@"^\s*(\d{1,2})\s+(wickets|hurdles|mini[ -]?hurdles|sticks)\s*x\s*(\d{1,2})(?=\s*(?:$|,|rest))", "$2 $3 passes <$1 $2>", "16 wickets x 5", "mini-hurdle run 5 passes cue \"16 wickets\""),
        Of(@"^\s*((?:mini[ -]?)?(?:wickets?|hurdles?))\s*(?:runs?\s*)?(\d{1,2})\s*x\s*(?:@|at)\s*([12]\.\d{1,2})\s*m?(?=\s*(?:$|,))", "$1 $2 passes <$3 m apart>", "wickets 5x @ 1.9", "mini-hurdle run 5 passes cue \"1.9 m apart\""),
        Of(@"(?<=%\s*)v\s*loss" + E, "slower", "sled 10% vloss 4 x 30m", "4 x 30 m sled -10%v"),
        Of(@"^(\s*sled\s[^;+]*?)\s*\+\s*(\d{1,2}\s*x\s*\d{1,3})\s*(" + U + @")?\s*(?:free|unresisted|flat|unloaded)\s*$", "", "sled 4x20 @ 40% BW + 2x20 free", "4 x 20 m sled 40%bm; 2 x 20 m") with { Make = m => $"{m.Groups[1].Value}; {m.Groups[2].Value} {(m.Groups[3].Success ? m.Groups[3].Value : "m")}" },
        Of(@"(?<=" + B + @"(?:box(?:es)?|drop|depth|step[ -]?ups?|hurdle)(?:\s+(?:jump|landing|hop)s?)?\s*)(\d{1,2})\s*″(?=\s*(?:\d|$|,|x))", " $1 inches ", "box jumps 30\" 4x3", "box jump 4 x 3 reps cue \"30 in\""),
        Of(@"(?<=" + B + @"(?:bounds?|hops?|skips?|runs?)\s.*\d\s*" + U + @"\s*(?:x\s*\d{1,2}\s*)?)(?:,\s*)?(?:for\s+)?times?(?=\s*$)", " timed", "bound 30 m x 3 time", "alternate bound 3 x 30 m log time"),
        Of(@"^\s*tabata(?:\s+(?:on\s+(?:the\s+)?)?(bike|row(?:er|ing)?|ski|skipping))?\s*(?:intervals?|protocol)?\s*(?::?\s*8\s*x)?\s*$", "$1 8 x 20 s rest 10 s", "tabata bike", "bike intervals 8 x 20 s rest 0:10"),
        Of(@"^\s*(?:bungees?|cords?|elastics?)\s+(?=overspeed|assisted)", "", "bungee overspeed 3 x 20m", "3 x 20 m tow"),
        Of(@"(?<=" + B + @"(?:wickets?|hurdles?)" + E + @".*\d[^\s,]*\s+(?:(?:wickets|hurdles|sticks)\s+)?)(?:,\s*)?([12]\.\d{1,2})\s*m?\s*$", " <$1 m apart>", "wicket runs 5 x 8 wickets 1.8m", "mini-hurdle run 5 passes cue \"8 wickets, 1.8 m apart\""),
        Of(@"^\s*(?:agility\s+|speed\s+)?ladders?(?:\s+drills?)?\s*:?\s*(\d{1,2})\s*x\s*((?:in|out|icky|hop|side|lateral|single|two|one|quick|crossover|ali)\b[\p{L} -]*)$", "quick feet $1 passes <$2>", "ladder 6 x in-in-out-out", "quick feet 6 passes cue \"in-in-out-out\""),
        Of(@"(?:@|" + B + @"at)?\s*(?<![\d.])([1-3](?:\.\d{1,2})?)\s*x\s*(?:bw|body[ -]?(?:weight|mass))" + E + @"|(?:@|" + B + @"at)?\s*(?<![\d.])([1-3]\.\d{1,2})\s*(?:bw|body[ -]?(?:weight|mass))" + E, "", "hip thrust 3x8 @ 1.5x bw", "hip thrust 3 x 8 reps 150%bm") with { Make = m => $" {(Parsed(m.Groups[1].Success ? m.Groups[1].Value : m.Groups[2].Value) * 100).ToString("0.#", CultureInfo.InvariantCulture)}%bm " },
        Of(@"(?<=^\s*\p{L}.*\d\s*x\s*\d{1,2}\s*(?:reps?)?\s*)(?:@\s*|with\s+|w/\s*)?(?:an?\s+|the\s+)?(barbell|bb|landmine|safety[ -]bar|ssb|smith(?:\s+machine)?|cable)\s*(?:@|at|of)?\s*(?=\d{1,3}(?:\.\d)?\s*(?:kg|lb))([^<]*)$", "$2 <$1>", "hip thrust 3 x 8 barbell 100kg", "hip thrust 3 x 8 reps 100 kg cue \"barbell\""),
        Of(@"^\s*dribbles?\s*:?\s*(?<one>ankle|shin|calf|knee)(?:[\s,/-]+(?:and\s+)?(?<one>ankle|shin|calf|knee)){1,3}\s*:?\s*(?<dose>\d.*?)(?:\s*(?:of\s+)?each)?\s*$", "", "dribbles ankle calf knee 20m each", "ankle dribble 20 m; calf dribble 20 m; knee dribble 20 m") with { Make = m => string.Join("; ", m.Groups["one"].Captures.Select(c => $"{c.Value} dribble {m.Groups["dose"].Value}")) },
    ];

    // A run told by its whole and then by its parts, which come to it.
    private static string WholeInParts(Match match)
    {
        static string Role(string typed) => typed.ToLowerInvariant() switch { "easy" => "float", "ease" => "slow", "hard" => "fast", var role => role };
        var parts = new[] { (match.Groups[4], match.Groups[5]), (match.Groups[6], match.Groups[7]), (match.Groups[8], match.Groups[9]) }.Where(p => p.Item1.Success).ToList();
        return parts.Sum(p => Parsed(p.Item1.Value)) != Parsed(match.Groups[2].Value) ? match.Value
            : $"{match.Groups[1].Value} x {string.Join(" + ", parts.Select((p, i) => $"{p.Item1.Value} {(i == parts.Count - 1 ? (match.Groups[3].Success ? match.Groups[3].Value : "m") + " " : "")}{Role(p.Item2.Value)}"))} ";
    }

    // Work for one lot of people and for the next; what is an exercise or a heading is nobody.
    private static string ForEach(Match match)
    {
        var who = match.Groups["who"].Captures.Select(c => c.Value.Trim()).ToList();
        return who.Exists(w => ExerciseCatalogue.BuiltIn.Find(w) is not null || ShorthandWords.IsVocabulary(w) || HeadingInFront.IsMatch(w + ": 1"))
            ? match.Value
            : string.Join("; ", who.Zip(match.Groups["what"].Captures, (w, what) => $"{RestSaid(what.Value)} for \"{w}\""));
    }

    // A length in three parts that come to it, or, said alone, each of them that long.
    private static string InThree(Match match)
    {
        var parts = new[] { match.Groups[5], match.Groups[6], match.Groups[7] };
        return parts.Sum(p => Parsed(p.Value)) != Parsed(match.Groups[3].Value) ? match.Value
            : $"{match.Groups[1].Value} {match.Groups[2].Value} x {parts[0].Value} fast + {parts[1].Value} float + {parts[2].Value} {(match.Groups[4].Success ? match.Groups[4].Value : "m")} fast ";
    }
}
