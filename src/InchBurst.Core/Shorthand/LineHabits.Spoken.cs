using System.Text.RegularExpressions;

namespace InchBurst.Core.Shorthand;

/// <summary>The habits of plain speech: lengths called by their names, what is to be reached, when to stop, what is said to the athlete besides.</summary>
public static partial class LineHabits
{
    private const string Remark = @"([\p{L}][\p{L}' -]{2,60})";

    private static Habit[] Spoken() =>
    [
        // Flying runs by their names.
        Of(@"^\s*(" + InLetters + @")\s+(?=fl(?:y|ying)" + E + ")", "", "three flying 20s", "3 x 30 build + 20 fly + 20 m slow") with { Make = m => Number(m.Groups[1].Value) + " x " },
        Of("(?<=" + B + @"fly(?:ing)?\s+)(tens?|twent(?:y|ys|ies)|thirt(?:y|ys|ies))" + E, "", "three flying tens", "3 x 20 build + 10 fly + 20 m slow") with { Make = m => char.ToLowerInvariant(m.Value[0]) == 't' && char.ToLowerInvariant(m.Value[1]) == 'e' ? "10s" : char.ToLowerInvariant(m.Value[1]) == 'w' ? "20s" : "30s" },
        Of(@"(?<=^\s*(?:\d{1,2}\s*x\s*)?)f\s?([1-4]0)(?=\s*(?:$|,|x|m" + E + "|yd|rest|@))", " fly $1", "4xF30", "4 x 30 build + 30 fly + 20 m slow"),
        Of(@"(?<=^\s*(?:\d{1,2}\s*x\s*)?)flys?\s+(?:of|over)\s+(?=\d)", "fly ", "fly over 20m x 3", "3 x 30 build + 20 fly + 20 m slow"),
        Of(@"(?<=^\s*(\d{1,2})\s+)fl(?:ys|ies|yings?)\s+(?:of|over)\s+(?=\d)", "x fly ", "3 flys of 20 m", "3 x 30 build + 20 fly + 20 m slow"),
        Of(@"(?<!\d\s*(?:" + U + @")?\s*)(?:acc(?:el(?:erate|eration)?)?|build(?:[ -]?up)?|(?:fly|run|lead|roll)[ -]in)\s+(?:for\s+|over\s+)?(\d{1,2})\s*(" + U + @")?\s*(?:[+,/]|then|into|and)?\s*(?=fly(?:ing)?\s+\d)fly(?:ing)?\s+(\d{1,2})\s*(" + U + ")?", "$1 $2 build + $3 $4 fly ", "acc 20 + fly 20 x 4", "4 x 20 build + 20 m fly"),
        Of(@"^(\s*\d{1,2}\s*x\s*)?(?:accelerate|accel|acc|build)\s+(?:for\s+)?(\d{1,2})\s*(?:" + U + @")?\s*[,+]?\s*(?:then\s+)?(?:hold|maintain|max|sprint|fly)\s+(?:for\s+)?(\d{1,2})\s*(?:" + U + @")?\s*[,+]?\s*(?:then\s+)?(?:ease|slow|coast|decel\p{L}*|relax|float)(?:\s+(?:off|down))?\s+(?:for\s+)?(\d{1,2})\s*(" + U + @")?(?:\s*x\s*(\d{1,2}))?(?!\d)", "", "accelerate 20 hold 20 ease 20 x3", "3 x 20 build + 20 fly + 20 m slow") with { Make = m => $"{(m.Groups[1].Success ? m.Groups[1].Value : m.Groups[6].Success ? m.Groups[6].Value + " x " : "")}{m.Groups[2].Value} build + {m.Groups[3].Value} fly + {m.Groups[4].Value} {(m.Groups[5].Success ? m.Groups[5].Value : "m")} slow" },
        Of(@"^(\s*\d{1,2}\s*x\s*)?(jog|walk|skip|shuffle)(?:\s+in)?\s+(\d{1,2})\s*(?:" + U + @")?\s*,\s*(?:then\s+)?(sprint|run)\s+(\d{1,2})\s*(" + U + @")(?:\s*x\s*(\d{1,2}))?(?=\s*(?:$|,|rest))", "", "jog in 10m, sprint 20m x 4", "4 x 10 jog + 20 m sprint") with { Make = m => $"{(m.Groups[1].Success ? m.Groups[1].Value : m.Groups[7].Success ? m.Groups[7].Value + " x " : "")}{m.Groups[3].Value} {m.Groups[2].Value} + {m.Groups[5].Value} {m.Groups[6].Value} sprint" },

        // What is to be reached.
        Of(@"(?<=(?<![\d.])(\d{1,3})\s*(?:m|metres?|meters?)\s*(?:x\s*\d{1,2}\s*)?)(?:@|at|in)\s*(\d{1,2}\.\d{1,2})(?=\s*(?:$|,|rest))", "", "4 x 30m @ 4.2", "4 x 30 m in 4.2 s") with { Make = m => IsPace(m.Groups[1].Value, m.Groups[2].Value) ? $" in {m.Groups[2].Value} s " : m.Value },
        Of(@"(?<=(?<![\d.])(\d{2,3})\s*(?:m|metres?|meters?)\s*(?:x\s*\d{1,2}\s*)?)at\s+(\d{1,2}(?:\.\d{1,2})?)\s*s(?:ec(?:ond)?s?)?(?=\s*(?:$|,|rest))", "", "150m x 4 at 20 s", "4 x 150 m in 20 s") with { Make = m => IsPace(m.Groups[1].Value, m.Groups[2].Value) ? $" in {m.Groups[2].Value} s " : m.Value },
        Of(@"(?<=(?<![\d.])(\d{3,4})\s*m(?:etres?|eters?)?\s*x\s*\d{1,2}\s*)(?:@|at|in)\s*(\d{1,2}):([0-5]\d)(?=\s*(?:$|,))", "", "1000m x 3 @ 3:30, 2 min rest", "3 x 1000 m in 3:30 rest 2:00") with { Make = m => Parsed(m.Groups[1].Value) / ((60 * Parsed(m.Groups[2].Value)) + Parsed(m.Groups[3].Value)) is > LeastRunSpeed and < MostPace ? $" in {m.Groups[2].Value}:{m.Groups[3].Value} " : m.Value },
        Of(@"(?:@|" + B + @"at)\s*(\d{1,2}(?:\.\d)?)\s*(?:km\s*/\s*h|kmh|kph|km\s+per\s+hour)" + E, " <at $1 km/h> ", "treadmill 8 x 15 s @ 18 km/h", "treadmill run 8 x 15 s cue \"at 18 km/h\""),
        Of(@"(?:@|" + B + @"at)?\s*(?<![\d/])(1/2|2/3|3/4|half)\s+(?:speed|effort|intensity)" + E, "", "30m x 4 @ 3/4 speed", "4 x 30 m @75%") with { Make = m => $" @{Fraction(m.Groups[1].Value)}% " },
        Of(B + @"(?:fast\s*(?:but|and|,|&)\s*relaxed|relaxed\s*(?:but|and|,|&)?\s*fast)" + E, "fast <relaxed>", "4 x 60m relaxed fast", "4 x 60 m fast cue \"relaxed\""),
        Of(@"(?<=test|run)\s+(?:to\s+)?level\s+(\d{1,2})\s*$", " <to level $1>", "beep test level 8", "progressive shuttle test 10 min cue \"to level 8\""),

        // Where and with what.
        Of(@"(?<=\d\s*" + U + @"\s*)up\s+(?:an?\s+|the\s+)?(?=\d{1,2}(?:\.\d)?\s*%\s*(?:hill|slope|incline|grade|gradient))", " uphill ", "8 x 20 m up a 5% hill", "8 x 20 m uphill 5%"),
        Of(@"(?<=uphill\s+\d{1,2}(?:\.\d)?\s*%)\s*(?:hill|slope|incline|grade|gradient)" + E, "", "4 x 20 m up a 10% slope", "4 x 20 m uphill 10%"),
        Of(@"(?<=\p{L}\s+)(?:(?:on|with)\s+)?(?:an?\s+)?(?:swiss|stability|physio|exercise)[ -]ball(?=\s*(?:\d|$|,))", " <on a ball> ", "hamstring curls swiss ball 3x10", "leg curl 3 x 10 reps cue \"on a ball\""),
        Of(@"^(\s*[\p{L}][\p{L}' -]*?)\s+seated(?=\s*\d)(.*)$", "$1 $2", "arm action seated 2x20s", "seated arm swing 2 x 20 s"),
        Of(@"(?<=jumps?\s[^,]*\d)\s+standing\s*$", "", "triple jump 3 x 3 standing", "standing triple jump 3 x 3"),
        Of(@"(?<=\d\s*(?:" + U + @")?\s*)(?:,\s*)?pairs\s*$", " <in pairs>", "chase sprints 6 x 20m pairs", "reaction start 6 x 20 m cue \"in pairs\""),
        Of(@"(?<=" + B + @"start)s?\s+(?:sprints|runs|accelerations)(?=\s*\d)", "", "prone start sprints 5x20", "prone start 5 x 20 m"),
        Of(B + @"(?:hand[ -]?(?:timed|timing)|timed\s+by\s+hand|by\s+hand)" + E, " timed ", "hand timed 4 x 30m", "4 x 30 m log time"),
        Of(@"(?<=gates?\s*(?:at\s*|on\s*)?)0\s*[,/ ]\s*(?=\d)", "", "30 m, gates at 0 10 20 30", "30 m gates 10,20,30"),
        Of(@"(?<=x\s*\d{1,3}\s*(?:" + U + @")?\s*)(?:,\s*)?left\s*(?:,|and|&|/)?\s*right\s*$", " each side", "fast leg 3x20m left right", "fast leg 3 x 20 m each side"),
        Of(@"(?<=^\s*\p{L}[\p{L}' -]*\d\s*x\s*)(\d{1,2})\s*/\s*\1(?=\s*(?:$|,|rest|@))", "$1 each side", "single leg bounds 3x5/5", "single-leg bound 3 x 5 reps each side"),
        Of(B + @"iso(?:metric)?\s+hold" + E, "iso", "soleus iso hold 3x30s each", "bent-knee calf raise 3 x 30 s each side"),
        Of(B + @"(?:work|build|ramp)(?:ing)?\s+up\s+to\s+(?:an?\s+)?(\d{1,3}\s*(?:%|kg|lb))\s*x\s*(\d{1,2})(?!\d)", " $2 reps @ $1 <work up to it>", "deadlift work up to 85% x 3", "deadlift 3 reps 85% max cue \"work up to it\""),

        Of(@"^(\s*)stretch(?:ing)?\s+(?:the\s+)?(hams?|hamstrings?|hammies|quads?|calf|calves|hip\s+flexors?|groins?|adductors?)" + E, "", "stretch hams 2 x 30s", "hamstring stretch 2 x 30 s") with { Make = m => m.Groups[1].Value + (char.ToLowerInvariant(m.Groups[2].Value[0]), char.ToLowerInvariant(m.Groups[2].Value[1])) switch { ('h', 'a') => "hamstring stretch", ('q', _) => "quad stretch", ('c', _) => "calf stretch", ('h', _) => "hip flexor stretch", _ => "inner thigh stretch" } },
        Of(@"^\s*shot(?:[ -]?put)?\s+(?=(?:over ?head|forwards?|back(?:wards?)?|under ?hand|chest|scoop|granny)(?:\s+back(?:wards?)?)?\s+(?:throw|toss))", "", "shot overhead back throw x 6 5 kg", "overhead back throw 6 reps 5 kg"),

        Of(@"(?<=^(?:\s*\d{1,2}\s*x\s*\d{1,3}\s*" + U + @"|\s*\d{1,3}\s*" + U + @")?\s*(?:sprints?|runs?)\s+)to\s+(?:the\s+|an?\s+)?(ball|cone|line|partner|marker|gate|goal|mark)" + E + "(.*)$", "$2 <to the $1>", "sprint to ball 10m x 8", "8 x 10 m cue \"to the ball\""),
        Of(@"(?<=\d\s*" + U + @"\s*(?:sprint|run|dash)?\s*)(?:\+|,|and|into|then)\s*(?:an?\s+|the\s+)?(shot|pass|catch|header|finish|throw|jump[ -]shot)" + E + "(.*)$", "$2 <then $1>", "20m sprint + shot x 6", "6 x 20 m cue \"then shot\""),
        Of(@"(?<=relay)\s+(?:practice|work|training)" + E, "", "4x100 relay practice", "short sprint 4 x 100 m"),
        Of(@"(?<![\d.])(\d{1,2})\s*(" + U + @")\s*down\s*(?:,|and|then|\+)?\s*(\d{1,2})\s*(?:" + U + @")\s*back" + E, "$1 up + $3 $2 back", "20m down 10m back x 4", "4 x 20 up + 10 m back"),
        Of(@"(?<=^\s*shuttles?)\s+(?:sprints?|runs?)\s*:?\s*(\d{1,2})\s*\+\s*(\d{1,2})\s*(m|yd)?(?=\s*(?:x|$|,))", " $1 up + $2 $3 back ", "shuttle sprint 5+5 x 6", "repeat shuttle 6 x 5 up + 5 m back"),
        Of(@"^\s*([1-4]0)s\s*x\s*(\d{1,2})\s*fl(?:y|ys|ies|ying)" + E, "$2 x fly $1 ", "30s x 4 fly", "4 x 30 build + 30 fly + 20 m slow"),
        Of(@"^(\s*" + InLetters + @"\s+sets?\s+of\s+)(" + InLetters + @")\s+(\d0)s(?=\s*(?:$|,|with|rest|@))", "", "four sets of two 30s", "4 x 2 x 30 m") with { Make = m => $"{m.Groups[1].Value}{Number(m.Groups[2].Value)} x {m.Groups[3].Value} m" },

        Of(@"\(?\s*(?<![\d.])(\d(?:\.\d{1,2})?)\s*m?\s*(?:spacings?|apart|gaps?)\s*\)?", " <$1 m apart> ", "wicket runs x 6 (1.8m spacing)", "mini-hurdle run 6 passes cue \"1.8 m apart\""),
        Of(@"^\s*(\d{1,2})\s+(wickets|hurdles|mini[ -]?hurdles)\s*(?:@|at)\s*(\d\.\d{1,2})\s*m?\s*(?:x\s*(\d{1,2}))?(?=\s*(?:$|,))", "", "10 wickets @ 1.70 x 5", "mini-hurdle run 5 passes cue \"10 wickets 1.70 m apart\"") with { Make = m => $"{m.Groups[2].Value} {(m.Groups[4].Success ? m.Groups[4].Value + " passes" : "")} <{m.Groups[1].Value} {m.Groups[2].Value} {m.Groups[3].Value} m apart>" },
        Of(@"(?<=\d\s*x\s*)(\d{1,2})\s*\(\s*(\d{1,2})\s*(?:each|per|a|on\s+each|e/s)\s*(?:side|leg|way)?\s*\)", "", "lateral bounds 3 x 6 (3 each)", "lateral jump 3 x 3 reps each side") with { Make = m => Parsed(m.Groups[1].Value) == 2 * Parsed(m.Groups[2].Value) ? $"{m.Groups[2].Value} each side " : m.Value },
        Of(@"^\s*a\s*[-/,]?\s*b\s*[-/,]?\s*c\s+(?:skips?)\s*:?\s*(\d[^;]*)$", "A skip $1; B skip $1; C skip $1", "A-B-C skips 2x20m", "A-skip 2 x 20 m; B-skip 2 x 20 m; C-skip 2 x 20 m"),
        Of(@"^\s*sled\s*(?:\+|/|and|&)\s*free\s*:\s*(\d{1,2}\s*" + U + @")\s*\+\s*(\d{1,2}\s*" + U + @")\s*x\s*([2-9])(?!\d)", "$3 x $1 sled; $3 x $2", "sled + free: 15m + 15m x 4", "4 x 15 m sled; 4 x 15 m"),
        Of(@"^(\s*\d{1,2}\s*x\s*)?(sprint|run)\s+(\d{1,2})\s*(?:" + U + @")?\s*,\s*(?:then\s+)?(walk)\s+(\d{1,2})\s*(" + U + @")?(?:\s*x\s*(\d{1,2}))?(?=\s*(?:$|,|rest))", "", "sprint 10, walk 10 x 8", "8 x 10 sprint + 10 m walk") with { Make = m => $"{(m.Groups[1].Success ? m.Groups[1].Value : m.Groups[7].Success ? m.Groups[7].Value + " x " : "")}{m.Groups[3].Value} sprint + {m.Groups[5].Value} {(m.Groups[6].Success ? m.Groups[6].Value : "m")} walk" },
        Of(@"^\s*fl(?:y|ying)\s+(?:sprints?|runs?)\s*:\s*(\d{1,2})\s*x\s*(?=\d)", " $1 x ", "flying sprints: 4 x 20m, 30m build-up, 6 min", "4 x 30 build + 20 m fly rest 6:00") with { Make = m => $" {m.Groups[1].Value} x fly " },
        Of("^\\s*" + Heading + @"\s+-\s+(?=\d)", "", "Acceleration - 5 x 20m - 2 min", "5 x 20 m rest 2:00"),

        // Rest, and how often.
        Of(@"^(\s*[1-9])\s*(?:x|sets?(?:\s+of)?)\s*\(\s*(\d{1,2})\s*x\s*(\d{1,2}\s*s(?:ec)?s?)\s*/\s*(\d{1,3}\s*s(?:ec)?s?)\s*\)\s*,?\s*(" + Time + @")?\s*$", "", "3 sets of (6 x 10 s / 20 s), 3 min", "3 x 6 x 10 s rest 0:20/3:00") with { Make = m => $"{m.Groups[1].Value} x {m.Groups[2].Value} x {m.Groups[3].Value} rest {m.Groups[4].Value}{(m.Groups[5].Success ? " / " + m.Groups[5].Value : "")}" },
        Of(@"(?<=\d\s*" + U + @"\s+)(?:reps?|repeats?|runs?)\s*(?=x\s*\d)", "", "200m reps x 4 @ 30s w/ 4 min", "4 x 200 m in 30 s rest 4:00"),
        Of(@"(?<=\d\s*s(?:ec)?s?\s*)sprints?\s*[,/]\s*(\d{1,3}\s*s(?:ec)?s?)\s*(?:easy|slow|walk|spin)" + E, " rest $1", "bike 8 x 10 s sprint, 50s easy", "bike intervals 8 x 10 s rest 0:50"),
        Of(@"(?<![\d:]):([0-5]\d)(?=\s*(?:rests?|rec\p{L}*|$|,|\)))", " rest 0:$1 ", "8x20m :60 rest", "8 x 20 m rest 1:00") with { Make = m => $" rest 0:{m.Groups[1].Value} " },
        Of(@"(?<![\d:]):60(?=\s*(?:rests?|rec\p{L}*|$|,|\)))\s*(?:rests?|rec\p{L}*)?", " rest 1:00 ", "8 x 20m :60", "8 x 20 m rest 1:00"),
        Of(B + @"(?:i|int|interval)\s*[=:]\s*(" + Time + @"|\d{1,2}\s*')", " rest $1 ", "6x30m i=3'", "6 x 30 m rest 3:00"),
        Of(@"(?<=\d)\s*otm" + E, " EMOM", "20m x 10 OTM", "10 x 20 m rest every 1:00"),
        Of(@"(?<=^\s*[1-9])\s*(?:r|s|sets?|reps?)\s*x\s*(?=\d{1,2}\s*(?:r|reps?)\s*x|\d{1,3}\s*" + U + ")", " x ", "4r x 30m / 3'", "4 x 30 m rest 3:00"),
        Of(@"(?<=^\s*\d{1,2}\s*x\s*\d{1,2})\s*(?:r|reps?)\s*x\s*(?=\d)", " x ", "3s x 4r x 20m (2'/5')", "3 x 4 x 20 m rest 2:00/5:00"),
        Of(B + @"an?\s+minute\s+and\s+a\s+half" + E, "1:30", "20m x 6 with a minute and a half rest", "6 x 20 m rest 1:30"),
        Of(@"(?<=with\s+)an?\s+(?=\d{1,2}(?::\d\d|\s*-?\s*" + T + @")\s*(?:rest|rec|break|recovery))", "", "5 x 30m with a 3 min rest", "5 x 30 m rest 3:00"),
        Of(@"^\s*one\s+(?=\d{2,3})(\d{2,3})(?!\d|\s*(?:" + U + "|x|yd))", "1 x $1 m", "one 300 at 90 %", "300 m @90%"),
        Of(@"(?<=\d\s*%)\s*(?:of\s+)?(?:pb|personal\s+best|sb|season'?s?\s+best)" + E, "", "100m x 3 @ 97% PB", "3 x 100 m @97%"),
        Of(@"(?:@|" + B + @"at)?\s*" + B + @"(pb|personal[ -]best|sb)\s+(pace|speed)" + E, " <at $1 $2>", "sprint 100m x 3 PB pace", "3 x 100 m cue \"at pb pace\""),
        Of(@"(?<=\d\s*x\s*)(\d{3,4}|\d(?:\.\d)?\s*k)(?:m)?\s*(?:@|at|in)\s*(\d{1,2}):([0-5]\d)(?=\s*(?:$|,))", "", "4 x 800 @ 2:40, 2:30 rest", "4 x 800 m in 2:40 rest 2:30") with { Make = m => (m.Groups[1].Value.TrimEnd('k', 'K', ' ') is var far && m.Groups[1].Value.Length > far.Length ? Parsed(far) * 1000 : Parsed(far)) is var metres && metres / ((60 * Parsed(m.Groups[2].Value)) + Parsed(m.Groups[3].Value)) is > LeastRunSpeed and < MostPace ? $"{metres:0} m in {m.Groups[2].Value}:{m.Groups[3].Value} " : m.Value },
        Of(@"^\s*(?:speed\s+end(?:urance)?|ext(?:ensive)?\.?\s+tempo|int(?:ensive)?\.?\s+tempo)\s*[.:]?\s+(?=\d{1,2}\s*x)", "", "speed end: 3 x 120m @ 95%, 10 min", "speed endurance run 3 x 120 m @95% rest 10:00") with { Make = m => m.Value.Contains("tempo", StringComparison.OrdinalIgnoreCase) ? "tempo " : "speed endurance " },

        Of(@"\s*\+\s*(chains?|bands?)(?=\s*(?:$|,|rest))", " <plus $1>", "box squat 5x2 60% + chains", "box squat 5 x 2 reps 60% max cue \"plus chains\""),
        Of(@"(?<=\d\s*" + U + @"\s*),?\s*((?:into|against|with)\s+(?:the\s+)?wind)" + E, " <$1>", "4x20m into the wind", "4 x 20 m cue \"into the wind\""),
        Of(@"(?<=\d\s*" + U + @"\s*)(?:with|w/)\s+(\d{1,2})\s*(m|yd)\s+gates?" + E, " gates every $1 $2", "4 x 20m with 10m gates", "4 x 20 m gates 10,20"),

        Of(@"^\s*starts?\s+(?:on|to|off)\s+(?:the\s+)?(gun|clap|whistle|call|command)\s*:?\s*(?=\d)(.*)$", "$2 <on the $1>", "starts on the gun 5 x 20m", "5 x 20 m cue \"on the gun\""),
        Of(@"(?<=\d\s*" + U + @"\s*)from\s+(?:an?\s+)?(?:jog|walk)[ -]?in" + E, " moving start ", "10m from jog in x 6", "moving start 6 x 10 m"),
        Of(@"^\s*(?:lateral\s+|side\s+)?(shuffle|backpedal|crossover)\s+(?:in)?to\s+(?:an?\s+)?sprint\s*:?\s*(\d{1,2})\s*(?:" + U + @")?\s*\+\s*(\d{1,2})\s*(" + U + @")\s*(?:x\s*(\d{1,2}))?(\s*each(?!\s*\p{L}))?", "", "lateral shuffle into sprint 5m + 10m x 4 each", "4 x 5 shuffle + 10 m sprint each side") with { Make = m => $"{(m.Groups[5].Success ? m.Groups[5].Value + " x " : "")}{m.Groups[2].Value} {m.Groups[1].Value} + {m.Groups[3].Value} {m.Groups[4].Value} sprint{(m.Groups[6].Success ? " each side" : "")}" },
        Of(@"left\s+(\d{1,3}\s*" + U + @"\s*x\s*\d{1,2}|\d{1,2}\s*x\s*\d{1,3}\s*" + U + @")\s*(?:,|and|&|/)?\s*right\s+\1(?!\d)", "$1 each side", "curve run left 30m x 3, right 30m x 3", "curve run 3 x 30 m each side"),
        Of(@"^\s*(\d{1,3}\s*" + U + @")\s*(?:sprints?|runs?)?\s*,?\s*every\s+(\d{1,3})\s*s(?:ec(?:ond)?s?)?\s+for\s+(\d{1,2})\s*min(?:ute)?s?", "", "30 m every 30 s for 5 min", "10 x 30 m rest every 0:30") with { Make = m => Parsed(m.Groups[3].Value) * 60 % Parsed(m.Groups[2].Value) == 0 ? $"{Parsed(m.Groups[3].Value) * 60 / Parsed(m.Groups[2].Value):0} x {m.Groups[1].Value} rest every {m.Groups[2].Value} s" : m.Value },
        Of(@"^\s*(\d{2,4})s?\s*(?:x\s*(?<n>\d{1,2})\s*)?(?:@|in)\s*(\d{2,3}(?:\.\d)?)\s*s?(?:ec)?s?(?:\s*x\s*(?<n>\d{1,2}))?(?=\s*(?:$|,))", "", "400 @ 70s x 6, 90s", "6 x 400 m in 1:10 rest 1:30") with { Make = m => m.Groups["n"].Success && IsPace(m.Groups[1].Value, m.Groups[2].Value) ? $"{m.Groups["n"].Value} x {m.Groups[1].Value} m in {m.Groups[2].Value} s" : m.Value },
        Of(@"(?:,\s*)?(?:with\s+)?as\s+much\s+rest\s+as\s+(?:you\s+|they\s+)?need(?:ed)?" + E, " <rest as needed>", "3 x 30m, as much rest as you need", "3 x 30 m cue \"rest as needed\""),
        Of(@",\s*((?:the\s+)?last\s+(?:one|rep|run|two)\s+[\p{L}][\p{L} -]{2,30})\s*$", " <$1>", "30m x 3, last one timed", "3 x 30 m cue \"last one timed\""),
        Of(@"(?<=\d\s*s\s*(?:uphill|hill))\s*,\s*jog\s+(?:down|back)" + E, " rest walk-back <jog down>", "8 x 30 s uphill, jog down", "8 x 30 s uphill rest walk-back cue \"jog down\""),

        // When to stop, and what is said besides.
        Of(@"\s*,?\s*" + B + @"(?:stop|finish|end)\s+(?:if|when|once|after|at)\s+(?!.*(?:x\s*\d|" + Resting + @"|\d\s*" + T + @"))([\p{L}\d][\p{L}\d'.% -]{2,50}?)\s*$", " <stop when $1>", "5-8 x 20 m, stop at 95%", "5-8 x 20 m cue \"stop at 95%\"") with { Make = m => $" <{string.Concat(m.Value.SkipWhile(c => !char.IsLetter(c))).Trim()}>" },
        Of(@"^\s*(stop\s+(?:if|when|once|after|at)\s+[\p{L}\d][\p{L}\d'.% -]{2,50}?)\s*:\s*(.*)$", "$2 <$1>", "stop when times drop 3%: 6 x 30m", "6 x 30 m cue \"stop when times drop 3%\""),
        Of(@"(?<=\d.*)\s*[,.;-]?\s*" + B + @"(?:cues?|notes?|focus|think|key|remember|nb|reminder)\s*[:=]\s*" + Remark + @"\s*$", " <$1>", "20 m x5 rest 2 min cue: big arms", "5 x 20 m rest 2:00 cue \"big arms\""),
        Of(@"(?<=\d.*)\s*,?\s*" + B + @"notes?\s+" + Remark + @"\s*$", " <$1>", "20m x 5 note no spikes", "5 x 20 m cue \"no spikes\""),

        // How it is ordered.
        Of(@"^\s*every\s+minute\s+on\s+the\s+minute\s*[:,]?\s*(.*?)x\s*(\d{1,2})\s*$", "$2 x $1 rest every 1:00", "every minute on the minute: 40m sprint x 8", "8 x 40 m rest every 1:00"),
        Of(@"^\s*(\d)\s+reps?\s+of\s+(\d{1,3}\s*" + U + @")\s+(?:each|every)\s+(\d{1,2}\s*" + T + @")\s*,?\s*x\s*(\d{1,2})\s*$", "$4 x $2 rest every $3", "1 rep of 60m each 4 minutes, x5", "5 x 60 m rest every 4:00") with { Make = m => m.Groups[1].Value == "1" ? $"{m.Groups[4].Value} x {m.Groups[2].Value} rest every {m.Groups[3].Value}" : m.Value },
        Of(@"(?<=^\s*(?:mini[ -]?hurdles?|wickets?)(?:\s+(?:runs?|drills?|sprints?))?\s*(?:x\s*\d{1,2}|\d{1,2}\s*x(?!\s*\d))?.*?),?\s*(?:with\s+(?:an?\s+)?)?(\d{1,2}\s*" + U + @")\s*(?:run[ -]?(?:in|up)|approach|build(?:[ -]?up)?)" + E, " <with $1 run-in> ", "wickets 5 x, 20m run-in", "mini-hurdle run 5 passes cue \"with 20 m run-in\""),
        Of(@"^\s*(\d{1,3}\s*s(?:ec(?:ond)?s?)?)\s+(bike|rower|rowing|ski|erg|treadmill|pool)(?:\s+(sprints?|runs?|efforts?))?\s*x\s*(\d{1,2})(?!\d)", "$2 $4 x $1", "6 s bike sprints x 8, 2 min", "bike intervals 8 x 6 s rest 2:00"),
    ];
}
