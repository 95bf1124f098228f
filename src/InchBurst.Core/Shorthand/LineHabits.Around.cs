using System.Text.RegularExpressions;

namespace InchBurst.Core.Shorthand;

/// <summary>Habits around the work: rests in brackets and behind strokes, what it is run on and at whose call, which way it goes.</summary>
public static partial class LineHabits
{
    // A rest as it stands alone: by the clock, in words, or with the signs of minutes and seconds.
    private const string Clocked = @"(?:" + Times + @"|\d{1,3}\s*['″])";
    private const string InSets = @"(?=.*(?:\d\s*x\s*\(?\s*\d{1,2}\s*x|sets?\s+of))";
    private const string Calls = @"(?:gun|claps?|whistle|call|command|beep|signal|horn|voice)";
    private const string Surfaces = @"(?:grass|track|turf|astro(?:turf)?|sand|beach|road|indoors?|outdoors?|carpet|court)";
    private const string Ways = @"(?:forwards?|backwards?|sideways|diagonally)";

    private static Habit[] Around() =>
    [
        // Rests.
        Of(@"\(\s*(?:rest|recovery|recov|rec|r)\s*[:=]?\s*(" + Clocked + @")\s*\)", " rest $1 ", "4×30m (R: 3')", "4 x 30 m rest 3:00"),
        Of(@"(?<=[\p{L}\d%)]\s*)//(?=\s*\S)", ", ", "4x40m//4'", "4 x 40 m rest 4:00"),
        Of("^" + InSets + @"(.*[\p{L}\d)],?)\s*(?<![\d.:])(" + Clocked + @")\s*(?:&|and|\+|\|)\s*(" + Clocked + @")\s*$", "", "3x3x30m 3'&6'", "3 x 3 x 30 m rest 3:00/6:00") with { Make = m => EndsInRest.IsMatch(m.Groups[1].Value) ? m.Value : $"{m.Groups[1].Value} rest {m.Groups[2].Value}/{m.Groups[3].Value}" },
        Of("^" + InSets + @"(.*\S)\s*\(\s*(" + Clocked + @")\s*\)\s*,?\s*\(\s*(" + Clocked + @")\s*\)\s*$", "$1 rest $2/$3", "2x3x60m (4min) (8min)", "2 x 3 x 60 m rest 4:00/8:00"),

        Of(@"(?:~|≈|" + B + @"(?:approx(?:\.|imately)?|roughly|around|ca\.?))\s*(?=" + Clocked + "|" + Resting + ")", "", "4x30m approx 3min rest", "4 x 30 m rest 3:00"),
        Of(@"(?<=\d\s*(?:" + U + @"|%|" + T + @")[^;]*?),?\s*(?:(?:rest|r)\s*:?\s*)?" + B + @"(?<!\d\s*)(?:at\s+least|min(?:imum)?(?:\s+of)?|no\s+less\s+than)\s+(" + Clocked + @")(?:\s*(?:of\s+)?(?:rest|recovery|rec))?(?:\s+between(?:\s+(?:reps|runs))?)?\s*$", " rest $1 <at least that>", "4x30m, at least 3 min rest", "4 x 30 m rest 3:00 cue \"at least that\""),
        Of(@"(?<=\d\s*(?:" + U + @"|%)[^;]*?),?\s*(" + Clocked + @")\s*\+\s*(?:rest|recovery|rec)\s*$", " rest $1 <at least that>", "4x30m 3min+ rest", "4 x 30 m rest 3:00 cue \"at least that\""),
        Of(B + @"wbr?" + E, " walk back ", "4x30m wb", "4 x 30 m rest walk-back"),
        Of(@"(?<=\d\s*)mtrs?" + E, " m", "30 mtr x 4", "4 x 30 m"),

        Of(@"(?<=[\p{L}\d%)]\s*)\|(?=\s*\d)", ", ", "5x30m|3min", "5 x 30 m rest 3:00"),
        Of(@"(?<=\d\s*m?\s+(?:in|@)\s*\d{1,3}(?:\.\d)?\s*s(?:ecs?)?\s*,?\s*)on\s+(?=\d{1,3}\s*s|\d{1,2}:[0-5]\d|\d{1,2}\s*min)", " every ", "8 x 100m in 16s on 60s", "8 x 100 m in 16 s rest every 1:00"),
        Of(@"^\s*(10|15|20|30|40|45|60)\s*-\s*(10|15|20|30|40|45|60)\s*x\s*(\d{1,2})(?!\d|\s*(?:m|yd|x|min(?:ute)?s?)" + E + ")", "", "15-15 x 12 at 110% MAS", "12 x 15 s 110% aerobic rest 0:15") with { Make = m => m.Groups[1].Value == m.Groups[2].Value ? $"{m.Groups[3].Value} x {m.Groups[1].Value} s rest {m.Groups[2].Value} s" : m.Value },

        // How many at least or at most.
        Of(@"^\s*(up\s+to|at\s+least|no\s+more\s+than|maximum\s+of)\s+(\d{1,2})(?=\s*x\s*\d)(.*)$", "", "up to 6 x 30m", "6 x 30 m cue \"up to 6\"") with { Make = m => $"{m.Groups[2].Value}{RestSaid(m.Groups[3].Value)} <$1 $2>" },
        Of(@"^\s*(\d{1,2})\s*\+\s*x\s*(?=\d)(.*)$", "", "4+ x 30m", "4 x 30 m cue \"4 or more\"") with { Make = m => $"{m.Groups[1].Value} x {RestSaid(m.Groups[2].Value)} <$1 or more>" },
        Of(@"^\s*([2-9])\s*/\s*(\d{1,2})\s*x\s*(?=\d{1,3}\s*(?:m|yd)" + E + ")", "", "3/4 x 30m", "3-4 x 30 m") with { Make = m => Parsed(m.Groups[2].Value) == Parsed(m.Groups[1].Value) + 1 ? $"{m.Groups[1].Value}-{m.Groups[2].Value} x " : m.Value },
        Of(@"^\s*x\s*(\d{1,2})\s+(?=\d{1,3}\s*(?:m|yd)" + E + ")", "$1 x ", "x4 30m", "4 x 30 m"),
        Of(@"^\s*([2-9]|1[0-2])\s+(\d{2,3}\s*(?:m|yd))(?=\s*(?:$|,|@|rest|w/|with|walk|\())", "$1 x $2", "4 30m, 3 min", "4 x 30 m rest 3:00"),
        Of(@"(?<=^\s*(?:\d{1,2}|" + InLetters + @")\s+)repetitions\s+(?=of\s|\d)", "reps ", "4 repetitions of 30m", "4 x 30 m"),

        // So many of each of several lengths.
        Of(@"^\s*(?<n>\d{1,2})\s*(?:x\s*)?(?:each\s+of|of\s+each|each|at\s+each)\s*[:,]?\s*(?<far>\d{1,3})\s*(?<u>" + U + @")?(?:\s*(?:,|/|-|and|&)\s*(?:and\s+)?(?<far>\d{1,3})\s*(?<u>" + U + @")?){1,5}(?=\s*(?:$|,|rest|@|\())", "", "3 each of 10m, 20m, 30m", "3 x 10 m; 3 x 20 m; 3 x 30 m") with { Make = OfEach },
        Of(@"^\s*(?<far>\d{1,3})\s*(?<u>" + U + @")?(?:\s*(?:,|/|-|and|&)\s*(?:and\s+)?(?<far>\d{1,3})\s*(?<u>" + U + @")?){1,5}\s*[,-]?\s*(?:x\s*(?<n>\d{1,2})|(?<n>\d{1,2})\s*(?:x|reps?|times|runs?|of)?)\s*(?:of\s+|at\s+|per\s+)?each(?:\s+distance)?(?!\s*(?:side|leg|way|dir|foot|arm))(?=\s*(?:$|,|rest|@|\())", "", "10m, 20m, 30m, x3 each", "3 x 10 m; 3 x 20 m; 3 x 30 m") with { Make = OfEach },

        // So far, so often, without a unit: nobody runs fifty times six metres. What may be either is asked.
        Of(@"^\s*(?:(timed|test)\s*:?\s+)?(\d{2,3})\s*x\s*(\d{1,2})(?=\s*(?:$|,|@|rest|r\s*\d|\(|walk|full|w/|with))", "", "60 x 6, 4 min", "6 x 60 m rest 4:00") with { Make = m => Parsed(m.Groups[2].Value) is var far && Parsed(m.Groups[3].Value) is var often && far % 5 == 0 && far <= LongestBare && often > 0 && (far >= 50 ? often <= 20 : often < (far >= 30 ? 10 : far >= 20 ? 5 : 0)) ? $"{m.Groups[3].Value} x {m.Groups[2].Value}{(m.Groups[1].Success ? " timed" : "")}" : m.Value },

        // What it is run on, and at whose call.
        Of(@"^\s*(" + Surfaces + @")\s*(?:sprints?|runs?)?\s*:?\s+(?=\d)(.*)$", "", "grass 10x100m", "10 x 100 m cue \"on grass\"") with { Make = m => $"{RestSaid(m.Groups[2].Value)} <{(m.Groups[1].Value.EndsWith("doors", StringComparison.OrdinalIgnoreCase) || m.Groups[1].Value.EndsWith("door", StringComparison.OrdinalIgnoreCase) ? "" : "on ")}$1>" },
        Of(@"^\s*(?<n>\d{1,2}\s*x\s*)?(?:sprints?|starts?|runs?|go|accelerations?)\s+(?:on|at|off|to|from)\s+(?:an?\s+|the\s+|my\s+|your\s+)?(?:coach'?s?\s+)?(?<call>" + Calls + @")\s*:?\s*(?=\d)(?<rest>.*)$", "", "sprint on clap 6 x 10m", "6 x 10 m cue \"on the clap\"") with { Make = m => $"{m.Groups["n"].Value}{RestSaid(m.Groups["rest"].Value)} <on the {m.Groups["call"].Value.ToLowerInvariant()}>" },

        // How hard.
        Of(@"@\s*([5-9]|10)\s*/\s*10(?!\d)", "@$1" + "0%", "4 x 30m @ 9/10", "4 x 30 m @90%"),
        Of(@"(?<=\d.*)(?:@|" + B + @"at)\s*((?:[5-9]\d|100)\s*%?(?:\s*/\s*(?:[5-9]\d|100)\s*%?){1,5})(?=\s*(?:$|,|rest))(?<=%)", "", "30m x 3 at 80/90/100%", "3 x 30 m @80,90,100%") with { Make = m => $"@{m.Groups[1].Value.Replace("%", "", StringComparison.Ordinal).Replace('/', ',')}%" },

        // Back again, and on the way.
        Of(@"^\s*(?:sprint|run)\s+(\d{1,3}\s*(?:" + U + @")?)\s*,?\s*(?:then\s+)?walk\s+back\s*(?:\1\s*)?,?\s*x\s*(\d{1,2})(?!\d)", "$2 x $1 rest walk-back", "sprint 10m walk back 10m x 8", "8 x 10 m rest walk-back"),
        Of(@"^\s*(?:run|stride|tempo)\s+(\d{2,3})\s*m?\s*,?\s*(?:then\s+)?walk\s+(\d{2,3})\s*m?\s*,?\s*x\s*(\d{1,2})(?!\d)", "$3 x $1 m, $2 m walk", "run 100m walk 50m x 8", "8 x 100 m rest 0:36"),
        Of(@"^\s*(\d{1,2}\s*s(?:ecs?)?)\s+(?:sprints?|bursts?|efforts?)\s*x\s*(\d{1,2})(?!\d)", "$2 x $1", "6 s sprints x 8, 90 s rest", "8 x 6 s rest 1:30"),

        Of(@"(?<=^\s*(?:\d{1,2}\s*x\s*)?(\d{2,3})\s*m?\s*(?:x\s*\d{1,2}\s*)?)@\s*([1-4]\d(?:\.\d)?)(?!\d|\.\d|\s*(?:%|-|,\s*\d{2,3}\s*(?:%|,|$)|s|m|kg|lb|/|:))", "", "4 x 200 @ 30", "4 x 200 m in 30 s") with { Make = m => IsPace(m.Groups[1].Value, m.Groups[2].Value) ? $" in {m.Groups[2].Value} s " : m.Value },
        Of(@"^\s*(\d{2,3})\s*(m)?\s+in\s+(\d{1,3})\s*-\s*(\d{1,3})\s*s?(?:ecs?)?\s*x\s*(\d{1,2})(?!\d)", "$5 x $1 m in $3-$4 s", "100m in 14-15 s x 8, 1 min", "8 x 100 m in 14-15 s rest 1:00"),
        Of(@"^\s*(\d{1,2}\s*(?:min(?:ute)?s?|'))\s*x\s*(\d{1,2})(?=\s*(?:$|,|@|rest|w/|with))", "$2 x $1", "4 min x 4, 3 min", "4 x 4 min rest 3:00"),
        Of(@"(?<=\d\s*(?:" + U + @")?\s*),?\s*rest(?:ing)?\s+(?:until|till|til)\s+(?:fully\s+)?(?:recovered|ready|fresh)", " full rest", "20m x 6, rest until recovered", "6 x 20 m rest 1:00/10 m"),
        Of(@"(?<=^\s*\d{1,2}\s*x\s*\d{1,3}\s*" + U + @")\s*:\s*(?=\d{1,2}:[0-5]\d\s*$|" + Time + @"\s*$)", " rest ", "5 x 20 m: 2:00", "5 x 20 m rest 2:00"),
        Of(@"(?<=^\s*\p{L}[^\d]*\d{1,2}\s*x\s*\d{1,2}\s*)x\s*(\d{2,3}\s*%)", " @$1", "squat 3 x 5 x 80%", "squat 3 x 5 reps 80% max"),
        Of(@"(?<=\p{L}\D*\d{1,2}\s*x\s*\d{1,2}\s*)steps?(?=\s*(?:each|per|a" + E + "))", " reps ", "monster walk 2x10 steps each way", "band monster walk 2 x 10 reps each side"),
        Of(@"^\s*blocks?\s*:?\s+(?=\d{1,2}\s*x|\d{1,3}\s*" + U + ")", "blocks ", "block 4 x 30m", "4 x 30 m from blocks"),

        // Shuttles by their legs, and on and off twice over.
        Of(@"^\s*(\d{1,2})\s*x\s*5\s*-\s*10\s*-\s*5(?=\s*(?:$|,|rest|each))", "five-ten-five $1 reps", "4x5-10-5, 90s", "five-ten-five 4 x 5 + turn 180 right + 10 + turn 180 left + 5 m rest 1:30"),
        Of(@"^\s*(?<n>\d{1,2}\s*x\s*)?(?<a>\d{1,2})\s*(?:m|yd)?\s*[-+]\s*(?<b>\d{1,2})\s*(?<u>m|yd)?\s*shuttles?(?:\s+runs?)?", "", "6 x 20-20 shuttle", "repeat shuttle 6 x 20 up + 20 m back") with { Make = m => m.Groups["a"].Value == m.Groups["b"].Value ? $"repeat shuttle {m.Groups["n"].Value}{m.Groups["a"].Value} up + {m.Groups["a"].Value} {(m.Groups["u"].Success ? m.Groups["u"].Value : "m")} back " : m.Value },
        Of(@"^\s*(?<n>(?:\d\s*x\s*)?\d{1,2}\s*x\s*)(?<whole>\d{2,3})\s*(?<u>m|yd)\s*shuttles?(?:\s+runs?)?\s*\(\s*(?<a>\d{1,2})\s*(?:m|yd)?\s*\+\s*(?<b>\d{1,2})\s*(?:m|yd)?\s*\)(?:\s*,\s*(?<in>" + Clocked + @")\s*,\s*(?<after>" + Clocked + @")\s*$)?", "", "2 x 6 x 40m shuttle (20+20), 20s, 3 min", "repeat shuttle 2 x 6 x 20 up + 20 m back rest 0:20/3:00") with { Make = m => m.Groups["a"].Value == m.Groups["b"].Value && Parsed(m.Groups["whole"].Value) == 2 * Parsed(m.Groups["a"].Value) ? $"repeat shuttle {m.Groups["n"].Value}{m.Groups["a"].Value} up + {m.Groups["a"].Value} {m.Groups["u"].Value} back {(m.Groups["in"].Success ? $"rest {m.Groups["in"].Value}/{m.Groups["after"].Value}" : "")} " : m.Value },
        Of(@"^\s*(?<n>\d{1,2}\s*x\s*)?(?<whole>\d{2,3})\s*(?<u>m|yd)\s*shuttles?(?:\s+runs?)?\s*\(\s*(?<a>\d{1,2}(?:\s*[-/,]\s*\d{1,2}){1,3})\s*(?:m|yd)?\s*\)", "", "240m shuttle (20-40-60) x 3, 1:1", "repeat shuttle 3 x 20 up + 20 back + 40 up + 40 back + 60 up + 60 m back rest 1 to 1") with { Make = m => Parsed(m.Groups["whole"].Value) == 2 * LengthSigns().Split(m.Groups["a"].Value).Sum(a => Parsed(a.Trim())) ? $"{m.Groups["n"].Value}{m.Groups["a"].Value} {(m.Groups["u"].Value is "yd" ? "yd " : "")}shuttle " : m.Value },
        Of(@"^\s*(\d)\s*x\s*(\d{1,2})\s*x\s*(\d{1,2})\s*s?(?:ecs?)?\s*on\s*[,/]?\s*(\d{1,3})\s*s?(?:ecs?)?\s*off(?:\s*,\s*(?:rest\s+)?(" + Clocked + @")(?:\s*(?:rest\s*)?between\s+(?:the\s+)?sets?)?)?", "", "2 x 8 x 15s on 15s off, 3 min", "2 x 8 x 15 s rest 0:15/3:00") with { Make = m => $"{m.Groups[1].Value} x {m.Groups[2].Value} x {m.Groups[3].Value} s rest {m.Groups[4].Value} s{(m.Groups[5].Success ? " andsets " + m.Groups[5].Value : "")} " },

        Of(@"(?<=" + B + @"fl(?:y|ying)\s+\d{1,2}\s*" + U + @")\s*(?:sprints?|runs?|efforts?)(?=\s*(?:$|,|\(|x|w/|with|@|rest))", " ", "3x flying 20m sprints, 30m build-up", "3 x 30 build + 20 m fly"),
        Of(@"^\s*(?<n>\d{1,2}\s*x\s*)?(?<far>\d{1,2})\s*(?<u>m|yd)\s*shuttles?(?:\s+runs?)?\s*\(?\s*(?:down|there|out|up)\s*(?:and|&)\s*back\s*\)?(?:\s*x\s*(?<n>\d{1,2}))?(?!\d)", "", "8 x 20m shuttle (down and back), 30s rest", "repeat shuttle 8 x 20 up + 20 m back rest 0:30") with { Make = m => $"repeat shuttle {(m.Groups["n"].Success ? m.Groups["n"].Value.Trim(' ', 'x') + " x " : "")}{m.Groups["far"].Value} up + {m.Groups["far"].Value} {m.Groups["u"].Value} back " },
        Of(@"^\s*(" + Time + @")\s*(?:of\s+)?cool[ -]?down\s*[:,-]?\s+(?=\p{L})([\p{L}][\p{L}' ,+&-]*)$", "cool-down $1 <$2>", "5 min cool-down jog", "cool-down 5 min cue \"jog\""),
        Of(@"^\s*(\d{1,2})\s*x\s*505(?=\s*(?:$|,|rest|each|\())", "505 $1 reps", "5 x 505 each side", "ten-and-back 5 x 5 + turn 180 + 5 m each side"),
        Of(@"^\s*([2-9])\s*x\s*(\d{1,2})\s*(mini[ -]?hurdles?|wickets?)(?=\s*(?:$|,|rest))", "mini-hurdle run $1 passes <$2 of them>", "4 x 6 mini-hurdles", "mini-hurdle run 4 passes cue \"6 of them\""),

        Of(@"^\s*drills?\s*[:,]?\s*\(\s*(?<one>\p{L}[\p{L}' -]*?)\s*(?:(?:,|;|/|&|\+|\band\b)\s*(?<one>\p{L}[\p{L}' -]*?)\s*)+\)\s*[:,]?\s*(?<dose>\d{1,2}\s*x\s*\d{1,3}\s*(?:" + U + @")?)(?:\s*(?:of\s+)?each)?\s*$", "", "drills (A-skip, B-skip, high knees) 2 x 20m each", "A-skip 2 x 20 m; B-skip 2 x 20 m; high knees 2 x 20 m") with { Make = m => string.Join("; ", m.Groups["one"].Captures.Select(c => $"{c.Value} {m.Groups["dose"].Value}")) },
        Of(@"^\s*(?:gym|weights|strength|power|plyos?|plyometrics|jumps|core|drills?|main(?:\s+set)?|speed)\s+-\s+(?=\p{L}|\d)", "", "Gym - trap bar deadlift 3 x 3", "trap-bar deadlift 3 x 3 reps"),
        Of(@"(?<=\d.*),\s*(time\s+(?:the\s+)?(?:last|first)\s+(?:\d|one|two|three))\s*$", " <$1>", "4x30m, time last 2", "4 x 30 m cue \"time last 2\""),
        Of(@"(?<=" + B + @"gates?\s*(?:at\s*)?)0\s*m?(?:\s*[-,/]\s*(?<at>\d{1,3})\s*m?)+", "", "4x30m gates 0-10-30", "4 x 30 m gates 10,30 m") with { Make = m => string.Join(",", m.Groups["at"].Captures.Select(c => c.Value)) },
        Of(@"^\s*(\d{1,2}\s*x\s*)?0\s*-\s*(?=\d{2,3}\s*(?:m|yd)(?!\s*-))", "$1", "0-30m x 4", "4 x 30 m"),
        Of(@"^\s*(?<n>\d{1,2}\s*x\s*)?0\s*-\s*(?<at>\d{1,2})(?:\s*-\s*(?<at>\d{1,3})){1,4}\s*(?<u>m|yd)?\s*(?:splits?|gates?|timed|times?)(?:\s*x\s*(?<n>\d{1,2}))?(?=\s*(?:$|,))", "", "0-10-20-30 splits x 3", "3 x 30 m gates 10,20,30 m") with { Make = m => $"{(m.Groups["n"].Success ? m.Groups["n"].Value.Trim(' ', 'x') + " x " : "")}{m.Groups["at"].Captures[^1].Value} {(m.Groups["u"].Success ? m.Groups["u"].Value : "m")} gates {string.Join(",", m.Groups["at"].Captures.Select(c => c.Value))}" },

        Of(@"^\s*emom\s*(?:for\s*|x\s*)?(\d{1,2})\s*(?:min(?:ute)?s?)?\s*[:,-]\s*(\d{1,2})\s*x?\s*(?=\p{L}{3})(?!" + U + @")([\p{L}][\p{L}' -]*)$", "$3 $1 x $2 rest every 1:00", "EMOM 6: 3 broad jumps", "broad jump 6 x 3 reps rest every 1:00"),
        Of(@"^\s*every\s+(" + Time + @")\s*x\s*(\d{1,2})\s*[:,-]\s*(?:1\s*x\s*)?(\d{1,3}\s*" + U + @")(?:\s*" + PlainRuns + @")?(?=\s*(?:$|,|@))", "$2 x $3 rest every $1", "Every 90s x 6: 30m sprint", "6 x 30 m rest every 1:30"),
        Of(@"^\s*(?:mini[ -]?hurdles?|wickets?)\s*:?\s*(\d{1,2})\s*(?:reps?|runs?|passes|times)\s*(?:x|of|over|,)\s*(\d{1,2}\s*(?:hurdles|wickets|sticks))" + E, "mini-hurdle run $1 passes <$2>", "Mini hurdles: 6 reps x 8 hurdles", "mini-hurdle run 6 passes cue \"8 hurdles\""),
        Of(@"^(?=.*" + B + @"(?:bands?|chains?|parachute|chute|partner)" + E + ")(.*?)" + B + @"resisted\s*(?:sprints?|runs?|starts?)?\s*[:,]?\s*\(?\s*(?:with\s+)?(?:an?\s+)?(band|chain|parachute|chute|partner)s?\s*\)?", "$1 $2 ", "5 x 15m resisted sprint (band)", "5 x 15 m band"),

        Of(@"(?<=\d.*)(?:\s*[,;]\s*|\s+-\s+)((?:focus(?:ing|ed)?|think(?:ing)?|concentrat\p{L}*|emphas\p{L}*|remember|aim)\s+[^\d,;()<>""]+?)\s*$", " <$1>", "Drop jumps 4 x 4, focus on contact time", "depth jump 4 x 4 reps cue \"focus on contact time\""),
        Of(@"^\s*(\p{L}[\p{L}' -]*?)\s+(?:w/|with|@)\s*((?:2\s*x\s*)?\d{1,3}(?:\.5)?\s*(?:kg|lb)s?(?:\s*(?:dbs?|dumbbells?|kbs?|kettlebells?))?)\s*[,:]\s*(?=\d)(.*)$", "$1 $3 $2", "Walking lunges w/ 2 x 12kg, 3 x 10/leg", "walking lunge 3 x 10 reps each side 2 x 12 kg"),
        Of(@"^\s*stretch(?:es)?\s*[:-]\s*(hip\s+flexor|hamstring|cal(?:f|ve)|groin|adductor|pigeon|quad)s?(?=\s*\d)", "$1 stretch", "Stretch: hip flexors 2 x 30s/side", "hip flexor stretch 2 x 30 s each side"),
        Of(@"^\s*(\d{1,2}\s*x\s*)?(shuttles?)\s+sprints?\s*:?\s*(?=\d{1,2}\s*x)", "$1$2 ", "Shuttle sprints 6 x 20+20m, 30s rest", "repeat shuttle 6 x 20 up + 20 m back rest 0:30"),

        Of(@"^\s*(?:run|jog)\s+(" + Time + @")\s*,?\s*(?:then\s+|and\s+)?walk\s+(" + Time + @")\s*,?\s*x\s*(\d{1,2})\s*$", "easy jog $3 x $1 rest $2 <walk between>", "run 1 min walk 1 min x 10", "easy jog 10 x 1 min rest 1:00 cue \"walk between\""),
        Of(@"^\s*(?:return\s+to\s+(?:run(?:ning)?|play|sprint(?:ing)?)|rehab|rtp|rtr)\s*:\s*(?=\d|\p{L})", "", "return to run: 6 x 1 min jog, 1 min walk", "easy jog 6 x 1 min rest 1:00"),
        Of(@"^\s*races?\s+(?=from\s)", "", "race from sitting 10 m x 4", "seated start 4 x 10 m"),
        Of(@"(?<=^\s*(?:\d{1,2}\s*x\s*\d{1,3}\s*(?:m|yd)?\s*)?dribbles?)\s*\(?(low|high|small|big|fast|slow)\)?(?=\s*(?:$|\d|x|,))(.*)$", "$2 <$1>", "dribbles low 3x20m", "ankle dribble 3 x 20 m cue \"low\""),

        Of(@"^(.*?)(?<![\d.x]\s*)(\d{1,2})\s*x\s*(\d{1,3}\s*" + U + @")([^()\d]*?)\s*[,(]\s*(\d{1,2})\s*(?:each|per|a)\s*(?:side|way|leg|direction)\s*\)?", "", "Curved sprints 4 x 30m (2 each way)", "curve run 2 x 30 m each side") with { Make = m => Parsed(m.Groups[2].Value) == 2 * Parsed(m.Groups[5].Value) ? $"{m.Groups[1].Value}{m.Groups[5].Value} x {m.Groups[3].Value}{m.Groups[4].Value} each side" : m.Value },
        Of(@"^((?:505|5-10-5|\D)*?x\s*)(\d{1,2})\s*[,(]\s*(\d{1,2})\s*(?:each|per|a)\s*(?:side|way|leg|direction)\s*\)?", "", "T-drill x 4 (2 each side)", "T-test 2 x 10 + cut 90 left + 5 shuffle + turn 180 + 10 shuffle + turn 180 + 5 shuffle + cut 90 + 10 m backpedal each side") with { Make = m => Parsed(m.Groups[2].Value) == 2 * Parsed(m.Groups[3].Value) ? $"{m.Groups[1].Value}{m.Groups[3].Value} each side" : m.Value },

        Of(@"(?<=^\s*(?:\d{1,2}\s*x\s*)?" + Time + @"\s*(?:of\s+)?)row(?:ing)?(?=\s*(?:$|,|@|rest|easy|hard|w/|with))", " rowing machine ", "4 x 4 min row, 2 min rest", "rowing machine 4 x 4 min rest 2:00"),
        Of(@"^\s*row(?:ing)?\s*:\s*(?=(?:\d{1,2}\s*x\s*)?(?:\d{1,2}\s*min|\d{3,4}\s*m))", "row ", "row: 5 min", "rowing machine 5 min"),
        Of(@"(?<=^\s*\p{L}[\p{L}' -]*\s)(\d{1,2})\s*(?:x\s*)?(singles|doubles|triples)(?=\s*(?:$|,|@|\d{2,3}\s*(?:kg|lb|%)))", "", "deadlift 5 singles @ 90%", "deadlift 5 x 1 reps 90% max") with { Make = m => $"{m.Groups[1].Value} x {(m.Groups[2].Value[0] is 's' or 'S' ? 1 : m.Groups[2].Value[0] is 'd' or 'D' ? 2 : 3)}" },

        Of(@"^\s*(\d{1,2}\s*x\s*)?(\p{L}[\p{L}' -]*?)\s+((?:down|out|there|up)\s+(?:and|&)\s+back)\s*,?\s+(?:(\d{1,2}\s*x\s*)(\d{1,3}\s*" + U + @")|(\d{1,3}\s*" + U + @"))(?=\s*(?:$|,|x|rest))", "$2 $1$4$5$6 $3 ", "carioca down and back 20 m x 2", "carioca 2 x 20 up + 20 m back"),
        Of(@"(?<=^\s*\p{L}[\p{L}' -]*\s)(?:w/\s*|with\s+)?(?:dumb\s?bells?|dbs?|kettle\s?bells?|kbs?)\s*(2\s*x\s*\d{1,2}(?:\.5)?\s*(?:kg|lb)s?)\s*,?\s+(\d{1,2}\s*x\s*\d{1,2})(?!\d|\s*(?:kg|lb))", " $2 $1", "split squat dumbbells 2 x 20 kg 3x8", "split squat 3 x 8 reps each side 2 x 20 kg"),

        Of(@"^\s*(\d{1,2})\s*x?\s*hills(?:\s+(?:sprints?|runs?))?\s*,?\s*(?:of\s+|x\s*)?(?=$|,|\d{1,3}\s*" + U + "|@|rest|walk|w/)", "", "6 hills", "hill sprint 6 x 20 m") with { Make = m => HillLength.IsMatch(m.Result("$'")) ? $"hill sprint {m.Groups[1].Value} x " : $"{m.Groups[1].Value} hill sprints " },
        Of(@"^\s*(" + InLetters + @"|\d{1,2})\s+(easy|fast|relaxed|steady)?\s*([1-4]\d0)s(?=\s*(?:$|,|@|w/|with|rest|\d{1,2}\s*(?:min|')))", "", "two 200s 8 min", "2 x 200 m rest 8:00") with { Make = m => $"{(char.IsAsciiDigit(m.Groups[1].Value[0]) ? m.Groups[1].Value : Number(m.Groups[1].Value))} x {m.Groups[3].Value} m {m.Groups[2].Value} " },

        // Loads, heights and words of another order.
        Of(@"(?<=^\s*(?:\d{1,2}\s*x\s*)?.*" + B + @"(?:sled|chain|vest)s?" + E + @".*)@\s*(" + One + @"\s*-\s*" + One + @"\s*)(kg|lb)s?" + E, " $1$2 ", "sled 4-6 x 15m @ 20-25kg", "4-6 x 15 m sled 20-25 kg"),
        Of(@"(?<=^\s*(?:[\p{L}-]+\s+)*(?:box|hurdle|drop|depth)\s+(?:jump|hop|landing|drop)s?\s+\d{1,2}\s*x\s*\d{1,2}\s+)(6|12|18|24|36|42)\s*″(?=\s*(?:$|,))", " <$1 in>", "hurdle hops 3x5 18\"", "hurdle rebound 3 x 5 reps cue \"18 in\""),
        Of(@"^\s*(?:med(?:icine)?[ -]?balls?|mb)\s*:?\s*(\d{1,2}(?:\.5)?\s*(?:kg|lb)s?)\s+(\p{L}[\p{L} -]*?)(?=\s*(?:x\s*)?\d)(.*)$", "med ball $2 $3 $1", "med ball 5 kg slams 3x8", "slam 3 x 8 reps 5 kg"),
        Of(@"(?<=\d\s*(?:" + U + @")?\s*)(?:,\s*)?(" + People + @")\s+only\s*$", " for $1", "4 x 30m starters only", "4 x 30 m for \"starters\""),
        Of(@"^\s*fl(?:ys?|ies|ying)\s*:\s*(?=\d)", "fly ", "flys: 3 x 30m", "3 x 30 build + 30 fly + 20 m slow"),
        Of(@"(?<=^\s*(?:\d{1,2}\s*x\s*)?)fly-(?=[1-5]\d" + E + ")", "fly ", "fly-10 x 4", "4 x 20 build + 10 fly + 20 m slow"),
        Of(@"(?<=^\s*\d{1,2}\s*x\s*)fly(?=[1-5]\d" + E + ")", " fly ", "4xfly20", "4 x 30 build + 20 fly + 20 m slow"),
        Of(@"(?<=^\s*(?:\d{1,2}\s*x\s*)?\d{2}\s*(?:m|yd)?)-(?=fl(?:y|ying|ys|ies)" + E + ")", " ", "20m-fly x 4", "4 x 30 build + 20 fly + 20 m slow"),
        Of(@"^\s*leg\s+swings?\s*,?\s*\(?(f\s*/\s*b|s\s*/\s*s)\)?(?=\s*\d)", "", "leg swings F/B 10 each", "leg swing forwards 10 reps each side") with { Make = m => m.Groups[1].Value[0] is 'f' or 'F' ? "leg swing forwards" : "leg swing sideways" },

        // Timed and filmed.
        Of(@"(?<=" + B + @"timed\s*),?\s*((?:\d{1,3}\s*[,/]\s*){1,4}\d{1,3})\s*m?\s*(?:splits?|gates?)" + E, " gates $1 ", "3 x 40m timed, 10/20/40 splits", "3 x 40 m gates 10,20,40 m log time"),
        Of(@"^\s*time[d]?\s+(?=\d{1,3}\s*(?:m|yd)" + E + ")(.*)$", "", "time 20m x 3", "3 x 20 m log time") with { Make = m => RestSaid(m.Groups[1].Value) + " timed" },
        Of(@"(?<=^\s*\d{1,3}\s*(?:m|yd)\s*)times?(?=\s*x\s*\d)", "timed", "10m time x 3", "3 x 10 m log time"),
        Of(@"^\s*(video|film|record)(?:ed)?\s*:?\s+(?=\d{1,2}\s*x|\d{1,3}\s*" + U + ")(.*)$", "", "video 3 x 30 m", "3 x 30 m cue \"video\"") with { Make = m => $"{RestSaid(m.Groups[2].Value)} <$1>" },
        Of(@"(?<=\d.*)" + B + @"cues?\s*:?\s+(?=\p{L})([\p{L}][\p{L}', -]*)$", " <$1>", "4 x 20m cue push", "4 x 20 m cue \"push\""),

        // Stretches of one run.
        Of(@"(?<![\d.])(\d{1,2})\s*(" + U + @")?\s*(?:accel(?:erat(?:e|ion|ing))?s?|run[ -]?(?:in|up)|roll(?:ing)?[ -]?in|lead[ -]?in)\s*(?:zone\s*)?(?:,|\+|then|and|into|to)?\s*(?:an?\s+)?(\d{1,2})\s*(" + U + @")?\s*fl(?:y|ying)" + E + @"(?:\s*zone)?", " $1 $2 build + $3 $4 fly ", "4 x 20m accel 20m fly", "4 x 20 build + 20 m fly"),
        Of(@"(?<![\d.])(\d{1,2})\s*(" + U + @")?\s*build(?:[ -]?up)?s?\s*(?:,|\+|then|and|into|to)\s*(?:an?\s+)?(\d{1,2})\s*(" + U + @")?\s*(?:max(?:imum|imal)?|all[ -]out|flat[ -]out|top[ -]speed|full(?:[ -]speed)?)(?=\s*(?:$|,|x|rest|\())", " $1 $2 build + $3 $4 fly ", "20m build up, 20m max x 4", "4 x 20 build + 20 m fly"),
        Of(@"(?<=" + B + @"fl(?:y|ying)\s*\d{1,2}\s*s?\s*(?:" + U + @"\s*)?(?:x\s*\d{1,2}\s*)?)(?:from|off|with|w/|,)\s*(?:an?\s+)?(\d{1,2}\s*(?:" + U + @")?)\s*(?:roll(?:ing)?|jog|walk|rolling\s+start)(?:[ -]?(?:in|up))" + E, " with $1 run-in ", "fly 30m from 20m roll in x 4", "4 x 20 build + 30 m fly"),

        Of(@"(?<![\d.])([1-4]0)\s*(" + U + @")?\s*/\s*([1-4]0)\s*(" + U + @")?\s*fly(?:ing)?" + E, " $1 $2 build + $3 $4 fly ", "4 x 30/20 fly", "4 x 30 build + 20 m fly"),
        Of(@"(?<=^\s*(?:\d{1,2}\s*x\s*)?)([1-4]0)\s*(" + U + @")?\s*-\s*([1-4]0)\s*(" + U + @")?\s*fly(?:ing)?(?=\s*(?:$|,|x|rest))", "", "30-20 fly x 4", "4 x 30 build + 20 m fly") with { Make = m => Parsed(m.Groups[1].Value) > Parsed(m.Groups[3].Value) ? $"{m.Groups[1].Value} {m.Groups[2].Value} build + {m.Groups[3].Value} {m.Groups[4].Value} fly " : m.Value },
        Of(@"^\s*(?:" + FastOrInOut + @"\s*:?\s*)?(?:(?<n>\d{1,2})\s*x\s*)?(?<whole>\d{2,3})\s*(?<u>" + U + @")?\s*(?:" + FastOrInOut + @"\s*)?(?:x\s*(?<n>\d{1,2})\s*)?(?:" + FastOrInOut + @"\s*)?[:,(-]?\s*(?<p>" + StretchSaid + @")(?:\s*[-/,+]?\s*(?<p>" + StretchSaid + @")){1,4}\s*\)?(?=\s*(?:$|,|@|rest|\d{1,2}\s*min|\d{1,2}\s*'))", "", "120m x 3: 40 fast, 40 float, 40 fast", "3 x 40 fast + 40 float + 40 m fast") with { Make = Stretches },
        Of(@"^\s*(?:(?<n>\d{1,2})\s*x\s*)?\(?\s*(?<p>\d{1,2}\s*m?\s*(?:in|fast)),?\s*(?<p>\d{1,2}\s*m?\s*(?:out|off))(?:,?\s*(?<p>\d{1,2}\s*m?\s*(?:in|fast)))?\s*\)?\s*(?:x\s*(?<n>\d{1,2})(?!\d))?(?=\s*(?:$|,|@|rest|\d{1,2}\s*min|\d{1,2}\s*'))", "", "20 in 20 out 20 in x 3", "3 x 20 fast + 20 float + 20 m fast") with { Make = Stretches },
        Of(@"^\s*(?:(?<n>\d{1,2})\s*x\s*)?(?<whole>\d{2,3}\s*m?\s+)?" + FastFloat + @"s?\s*:?\s*(?:(?<n>\d{1,2})\s*x\s*)?(?<whole>\d{2,3}\s*m?\s*)?(?<open>\()?\s*(?<p>\d{1,2})\s*m?\s*[-/,+]\s*(?<p>\d{1,2})\s*m?\s*[-/,+]\s*(?<p>\d{1,2})\s*(?<u>" + U + @")?\s*(?<-open>\))?\s*(?:x\s*(?<n>\d{1,2})(?!\d))?(?=\s*(?:$|,|@|rest|\d{1,2}\s*min|\d{1,2}\s*'))", "", "4 x 60m sprint-float-sprint (20/20/20)", "4 x 20 fast + 20 float + 20 m fast") with { Make = InThreeStretches },

        // Which way, and both ways.
        Of(@"^\s*leg\s+swings?\s*[:,]?\s*(?<d>\d[^,(]*?)?\s*[,(]?\s*(?:" + Fore + @"\s*(?:,|/|and|&|\+)\s*" + Across + "|" + Across + @"\s*(?:,|/|and|&|\+)\s*" + Fore + @")\s*\)?\s*(?<d>\d.*)?$", "", "leg swings 2x10 front and side", "leg swing forwards 2 x 10 reps each side; leg swing sideways 2 x 10 reps each side") with { Make = m => m.Groups["d"].Captures.Count > 1 ? m.Value : $"leg swing forwards {m.Groups["d"].Value}; leg swing sideways {m.Groups["d"].Value}" },
        Of(@"^\s*(?:(?<way>backwards?|sideways|lateral)\s+sled\s+(?:drags?|pulls?|walks?)|sled\s+(?:drags?|pulls?|walks?)\s*,?\s*(?<way>backwards?|sideways|lateral(?:ly)?))" + E, "", "sled drag backwards 3 x 20m", "backward run 3 x 20 m sled") with { Make = m => m.Groups["way"].Value.StartsWith("b", StringComparison.OrdinalIgnoreCase) ? "sled backward run " : "sled side shuffle " },

        Of(@"^\s*(?<n>\d{1,2}\s*x\s*)?hops?\s*:?\s*(?=\d)(?<dose>[^,;]*\d\s*(?:" + U + @"|reps)?)\s*(?:each|per|a|ea|/)\s*(?:leg|side|foot)" + E, "", "hop 3x5 each leg", "single-leg hop for distance 3 x 5 reps each side") with { Make = m => $"single-leg hop {m.Groups["n"].Value}{m.Groups["dose"].Value} each side" },

        Of(@"^\s*(?:(?<n>\d{1,2})\s*x?\s*)(?:runs?|passes|reps?|goes|times)?\s*(?:through|over|of)\s+(?:the\s+)?(?<what>wickets|mini[ -]?hurdles|sticks)(?=\s*(?:$|,|rest|w/|with))", "", "6 runs through wickets", "mini-hurdle run 6 passes") with { Make = m => $"mini-hurdle run {m.Groups["n"].Value} passes" },
        Of(@"^\s*(bounds|hops|jumps|skips)\s*x\s*(\d{1,2})\s*x\s*(\d{1,2})(?=\s*(?:$|,|rest))", "$1 $3 x $2", "bounds x 6 x 4", "alternate bound 4 x 6 reps"),
        Of(@"^\s*tow(?:ed|ing)\s+(?:sprints?|runs?)\s*:?\s*(?=\d)", "tow ", "towed sprints 3 x 30 m", "3 x 30 m tow"),
        Of(@"^\s*(two|three|four)[ -](?:point|pt)\s+(?=\d)", "", "four-point 5 x 10 m", "5 x 10 m from 4-point") with { Make = m => $"from {(m.Groups[1].Value.ToLowerInvariant() switch { "two" => 2, "three" => 3, _ => 4 })} point " },
        Of(@"^\s*(?:light|gentle|slow|steady|easy)\s+(?:jog(?:ging)?|jogs)\s*:?\s*(?=\d)|(?<=^\s*" + Time + @"\s*)(?:of\s+)?(?:light|gentle|slow)\s+jog(?:ging)?" + E, "easy jog ", "5 min light jogging", "easy jog 5 min"),
        Of(@"(?<=\d\s*x\s*\d{1,2}\s*(?:min|minutes?|mins|')\s*(?:@\s*\d{2,3}\s*%\s*)?),?\s*(" + Clocked + @")\s*(?:easy|float|jog|walk|off|active)(?:\s+(?:rest|recovery|between))?\s*$", " rest $1", "4x4min @90% 3min easy", "4 x 4 min @90% rest 3:00"),

        Of(@"^\s*(hills?|uphills?)\s*(?=x\s*\d)", "hill sprints ", "hills x 8 30m", "hill sprint 8 x 30 m"),
        Of(@"^\s*(45|90)(?:s|'s)?\s*(?:deg(?:rees?)?\s*)?cuts?(?=\s*x\s*\d|\s*\d{1,2}\s*(?:x|each|per))", "", "45 cuts x 5 each side", "cut forty-five 5 x 8 + cut 45 + 8 m each side") with { Make = m => m.Groups[1].Value == "45" ? "cut forty-five" : "cut ninety" },
        Of(@"^\s*(?:lateral|side)\s+(?=shuffle\s+\d{1,2}\s*" + U + @"?\s*(?:,|then|and|to|into)+\s*sprint)", "", "lateral shuffle 5 m then sprint 10 m x 3 each", "3 x 5 shuffle + 10 m sprint each side"),
        Of(@"^\s*(\d{1,2}\s*(?:m|yd))\s*(?:sprint|run|accel\p{L}*)\s*,?\s*(?:and\s+|then\s+)?stop\s+(?:with)?in\s+(\d{1,2}\s*(?:steps?|strides?|m))\s*,?\s*x\s*(\d{1,2})(?!\d)(.*)$", "", "10 m sprint stop in 3 steps x 4", "stick the stop 4 x 10 m cue \"stop in 3 steps\"") with { Make = m => $"stick the stop {m.Groups[3].Value} x {m.Groups[1].Value}{RestSaid(m.Groups[4].Value)} <stop in $2>" },
        Of(@"^(?=.*\bgame)(.*?)\(?\b([2-9])\s*(?:v|vs|on|against)\.?\s*([2-9])\b\)?(.*)$", "$1 $4 <$2 against $3>", "small-sided game 4v4 3 x 4 min", "small-sided game 3 x 4 min cue \"4 against 4\""),
        Of(@"^\s*(?:agility\s+|speed\s+)?ladders?(?:\s+drills?)?\s*:\s*(\p{L}[\p{L} -]*?)\s*x\s*(\d{1,2})\s*$", "quick feet $2 passes <$1>", "ladder: icky shuffle x 4", "quick feet 4 passes cue \"icky shuffle\""),
        Of(@"(?<=(?:\d\s*(?:" + U + "|" + T + @")|%|hrmax|max|aerobic|" + SaidClass + @")\s*,?\s*)(" + Clocked + @")\s+active(?:\s+(?:rest|recovery))?\s*$", " rest $1 <active rest>", "repeat sprint 5 x 30 m 25 s active rest", "repeat sprints 5 x 30 m rest 0:25 cue \"active rest\""),
        Of(@"(?<=\d\s*(?:s|secs?)\s*(?:off|rest|easy)\s*)x\s*(\d{1,2})\s*,?\s*x\s*([1-9])(?:\s*,\s*(" + Clocked + @")\s*)?(?=\s*(?:$|,|rest))", "", "15s on 15s off x 10 x 2", "2 x 10 x 15 s rest 0:15") with { Make = m => $"x {m.Groups[1].Value} x {m.Groups[2].Value} sets{(m.Groups[3].Success ? " andsets " + m.Groups[3].Value : "")}" },
        Of(@"^\s*(?:manual|partner)\s+resistance\s*(?:runs?|sprints?)?\s*:?\s*(?=\d)", "partner ", "manual resistance 5x15m", "5 x 15 m partner"),
        Of(@"^\s*(?:(partner|band)\s+)(?:hold\s+(?:and\s+)?)?releases?\s*(?:starts?|sprints?|runs?)?\s*:?\s*(?=\d)(.*)$", "", "band release starts 4x15m", "4 x 15 m band cue \"release\"") with { Make = m => $"{m.Groups[1].Value} {RestSaid(m.Groups[2].Value)} <release>" },

        // A stance said twice over.
        Of(@"(?<=" + B + @"(?:[2-4]|two|three|four)[ -]?(?:points?|pts?)\s+)stances?\s+(?=starts?)", "", "3 pt stance starts 5 x 10 yd", "5 x 10 yd from 3-point"),
        Of(B + @"dribble[ -]bleeds?" + E, "ankle dribble <bleed into a run>", "dribble bleed 30m x 3", "ankle dribble 3 x 30 m cue \"bleed into a run\""),
    ];

    [GeneratedRegex(@"[-/,]")]
    private static partial Regex LengthSigns();

    // A longer length is said with its unit, and 505 is a test.
    private const double LongestBare = 400;

    private const string StretchSaid = @"\d{1,2}\s*m?(?:\s*(?:" + Done + @"|in|out|on|off))?";

    // A length and behind it, or around a colon, its stretches: what is fast and what is not is said with each, or else goes fast, float, fast.
    private static string Stretches(Match match)
    {
        var parts = match.Groups["p"].Captures.Select(p => (Far: string.Concat(p.Value.TakeWhile(char.IsAsciiDigit)), Word: string.Concat(p.Value.SkipWhile(c => !char.IsLetter(c))).ToLowerInvariant())).Select(p => (p.Far, Word: p.Word.StartsWith("m ", StringComparison.Ordinal) || p.Word == "m" ? p.Word[1..].Trim() : p.Word)).ToList();
        var areSaid = parts.TrueForAll(p => p.Word.Length > 0);
        if (parts.Exists(p => p.Word is "back" or "up") || (!areSaid && (parts.Count != 3 || parts.Exists(p => p.Word.Length > 0 || (!match.Groups["said"].Success && p.Far != parts[0].Far)))) || (match.Groups["whole"].Success && parts.Sum(p => Parsed(p.Far)) != Parsed(match.Groups["whole"].Value)))
        {
            return match.Value;
        }

        var unit = match.Groups["u"].Success ? match.Groups["u"].Captures[^1].Value : "m";
        return $"{(match.Groups["n"].Success ? match.Groups["n"].Captures[^1].Value + " x " : "")}{string.Join(" + ", parts.Select((p, i) => $"{p.Far} {(i == parts.Count - 1 ? unit + " " : "")}{(areSaid ? p.Word switch { "in" or "on" => "fast", "out" or "off" => "float", var word => RoleOf(p.Far + " " + word) } : i == 1 ? "float" : "fast")}"))} ";
    }

    // A run in three stretches that, where its whole is said too, come to it.
    private static string InThreeStretches(Match match)
    {
        var parts = match.Groups["p"].Captures.Select(p => p.Value).ToList();
        var whole = match.Groups["whole"];
        return whole.Success && Parsed(whole.Value.TrimEnd('m', 'M', ' ')) != parts.Sum(Parsed) ? match.Value
            : $"{(match.Groups["n"].Success ? match.Groups["n"].Captures[^1].Value + " x " : "")}{parts[0]} fast + {parts[1]} float + {parts[2]} {(match.Groups["u"].Success ? match.Groups["u"].Value : "m")} fast ";
    }

    private const string Fore = @"(?:front(?:\s*(?:to|/|and|&)\s*back)?|forwards?(?:\s*(?:/|and|&)\s*back(?:wards?)?)?|fwd|f/b|f-b|linear)";
    private const string Across = @"(?:side(?:ways|s)?(?:\s*(?:to|-to-)\s*side)?|lateral(?:ly)?|s/s|across|cross(?:[ -]body)?)";

    private static readonly Regex EndsInRest = new(Resting + @"\s*$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, TimeSpan.FromMilliseconds(250));

    private static readonly Regex HillLength = new("^\\d{1,3}\\s*" + U, RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, TimeSpan.FromMilliseconds(250));

    private static string OfEach(Match match)
    {
        var unit = match.Groups["u"].Success ? match.Groups["u"].Captures[^1].Value : "m";
        return string.Join(", ", match.Groups["far"].Captures.Select(far => $"{match.Groups["n"].Value} x {far.Value} {unit}"));
    }
}
