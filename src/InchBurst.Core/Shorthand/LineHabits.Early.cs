using System.Globalization;
using System.Text.RegularExpressions;
using InchBurst.Core.Catalogue;

namespace InchBurst.Core.Shorthand;

/// <summary>The habits that come before all others: headings, dashes of lists, stretches in brackets.</summary>
public static partial class LineHabits
{
    // A stretch with what is done on it, such as 20 m fast.
    private const string Done = @"(?:build(?:[ -]?up)?|fly(?:ing)?|fast|hard|sprint(?:ing)?|float(?:ing)?|relax(?:ed)?|easy|coast(?:ing)?|slow(?:[ -]?down)?|decel\p{L}*|accel\p{L}*|hold|max(?:imum)?(?:[ -]?(?:v|velocity|speed))?|out|up|back)";
    private const string People = @"(?:juniors?|seniors?|women|men|girls|boys|ladies|backs|forwards?|wings?|wingers?|pivots?|line players?|keepers?|goalkeepers?|goalies|defenders|attackers|midfielders|starters|non-starters|subs|substitutes|rookies|beginners|seconds|reserves|returners|injured|gks?|u\d{2}s?|everyone else|the rest)(?!\p{L})";
    private const string Heading = @"(?:acceleration|abs|trunk|speed(?:\s+work)?|strength|gym|weights|plyos?|plyometrics|jumps|power|drills?|prep(?:aration)?|primers?|activation|mobility|core|conditioning|agility|change\s+of\s+direction|cod|(?:in|pre|off|post)[ -]season|(?:day|week|option|phase|session)\s+[a-z1-9]|(?:mon|tues|wednes|thurs|fri|satur|sun)day|(?:mon|tues?|wed|thur?s?|fri|sat|sun)|am|pm|extras?|last|finally|finish|potentiation|lifts?|speed\s+end(?:urance)?\.?|(?:speed|strength|power|test(?:ing)?|match|jump|plyo|tempo|acceleration)\s+day|sprints?|(?:\p{L}{2,}\s+){1,2}(?:work|practice|session|training|section|phase|drills?|circuit|series|block|conditioning)|(?:off|on)[ -]feet(?:\s+conditioning)?|(?:speed\s+)?ladder|technique|technical|movement|(?:hip\s+)?hinge|knee(?:\s+dominant)?|hip(?:\s+dominant)?|push|pull|lower(?:\s+body)?|upper(?:\s+body)?|(?:main|primary|secondary)\s+lifts?|accessor(?:y|ies)|assistance|finisher|part\s+[a-z1-9]|block\s+[a-z1-9]|set\s+[a-z1-9]|station\s+[a-z1-9]|[a-d][1-9]?)";

    /// <summary>The line without the heading in front of it.</summary>
    internal static string WithoutHeading(string line) => HeadingInFront.Replace(line, "");

    private static readonly Regex HeadingInFront = new("^\\s*" + Heading + @"\s*:\s*(?=\p{L}|\d)", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, TimeSpan.FromMilliseconds(250));

    private static Habit[] Early() =>
    [
        // Headings, and who a line is for.
        Of(@"^\s*(groups?\s+[\p{L}\d]{1,12}|(?:low|high)[ -]minutes?(?:\s+group)?)\s*:\s*(?=\d|\p{L})(.*)$", "$2 for $1", "Group A: 4 x 20m", "4 x 20 m for \"Group A\"") with { Make = m => m.Groups[1].Value.Contains("min", StringComparison.OrdinalIgnoreCase) ? $"$2 for {(m.Groups[1].Value[0] is 'l' or 'L' ? "low" : "high")} minutes" : "$2 for $1" },
        Of(@"^\s*(?:top[ -]speed|max(?:imum)?[ -]?(?:v|velocity|speed))\s*[:,-]?\s*(?=.*\d.*" + B + @"fly)(?=\d)", "", "top speed: 4x 30m fly", "4 x 30 build + 30 fly + 20 m slow"),
        Of("^\\s*" + Heading + @"\s*:\s*(?=\p{L}{3}|[a-c][ -](?:skip|march|run)|\d{1,2}[-/]\d{1,2}[-/]\d{1,2}|505)", "", "A1: squat 3 x 5", "squat 3 x 5"),
        Of("^\\s*" + Heading + @"\s*:\s*(?=\d+\s*(?:x|" + U + "))(?!.*:.*:)", "", "prep: 3 x 20m", "3 x 20 m") with { Make = m => m.Value.Trim(' ', ':') is var heading && heading.Contains(' ', StringComparison.Ordinal) && ExerciseCatalogue.BuiltIn.Find(heading) is not null ? m.Value : "" },

        // A test said in front.
        Of("^\\s*(?:tests?|testing|time[ -]trials?|tt)\\s*[:-]?\\s*(?=(?:\\d{1,2}\\s*x\\s*)?\\d+\\s*" + U + ")(?!.*\\btimed\\b)(.*)$", "$1 timed", "time trial 60m", "60 m log time") with { Make = m => RestSaid(m.Groups[1].Value) + " timed" },
        Of(@"^\s*(.+?)\s+(" + One + @"(?:\s*/\s*" + One + @"){1,3})\s*(m|yd)?\s*x\s*(\d{1,2})\s*(?:each|of\s+each)\s*$", "$1 $4 x $2$3", "3pt start 10/20/30 x2 each", "2 x 10 m from 3-point; 2 x 20 m from 3-point; 2 x 30 m from 3-point") with { Make = m => $"{m.Groups[1].Value} {string.Join(", ", m.Groups[2].Value.Split('/').Select(l => $"{m.Groups[4].Value} x {l.Trim()} {(m.Groups[3].Success ? m.Groups[3].Value : "m")}"))}" },

        Of(@"(?<=\d\s*" + U + @"\s*x\s*\d{1,2}\s*)(?:time[ -]trials?|tt|test)\s*$", " timed", "400m x 1 time trial", "400 m log time"),
        Of(@"(?<=" + B + @"timed)\s+(?:w/|with|by)\s*(?:the\s+)?(?:timing\s+)?gates?" + E + @"(?!\s*(?:at\s*)?\d)", "", "5 x 30m timed w/ gates", "5 x 30 m log time"),
        Of(B + @"gate[ -]to[ -]gate\s+(?=\d|fly)", "", "gate to gate fly 10 x 4", "4 x 20 build + 10 fly + 20 m slow"),
        Of(@"(?<=\b(?:fly|flys|flies|flying))\s+zones?\s*(?=\d)", " ", "fly zone 20m x 3", "3 x 30 build + 20 fly + 20 m slow"),
        Of(@"(?<=\d\s*" + U + @"\s*x\s*\d{1,2}\s*),?\s*(?:on\s+)?(grass|track|turf|sand|road)(?=\s*(?:$|,|@|rest))", " <on $1> ", "100m x 8 grass, 60s", "8 x 100 m rest 1:00 cue \"on grass\""),
        Of(@"(?<=\bstairs?\b.*\d)\s*(?:x|of)\s*(\d{1,3})\s*steps" + E, " passes <$1 steps> ", "stairs 10 x 20 steps", "stair run 10 passes cue \"20 steps\""),
        Of(@"^(.*\b(?:throws?|toss(?:es)?))\s+for\s+(?:max(?:imum)?\s+)?(distance|height)" + E + @"\s*(.*)$", "$1 $3 <for $2>", "overhead back throw for distance x 6", "overhead back throw 6 reps cue \"for distance\""),

        Of("@\\s*(?=" + D + @"\s*%\s*(?:slower|faster)" + E + ")", " ", "sled 4x20m @10% slower", "4 x 20 m sled -10%v"),

        Of(@"^\s*(\d{1,2})\s*x?\s+([2-4])[ -]?(?:points?|pts?)" + E + @"\s*(?:sprints?|starts?|stance)?\s*(?:to\s+|over\s+|of\s+)?(?=\d)(.*)$", "$1 x $3 from $2 point", "4x 3 point starts 15m", "4 x 15 m from 3-point"),

        // Work and rest by the clock, parted by a stroke.
        Of(@"(?<=x\s*)(\d{1,3})\s*s(?:ecs?)?\s*/\s*(\d{1,3})\s*s(?:ecs?)?" + E, "$1 s rest $2 s", "bike 10 x 10 s / 50 s", "bike intervals 10 x 10 s rest 0:50"),

        // Signs and joined units, before anything else is looked at.
        Of(@"(?<=\d)-(?=(?:metres?|meters?|yards?|yds?|foot|feet|seconds?|secs?|minutes?|mins?|pounds?|degrees?)(?!\p{L}))", " ", "10-yard starts x 6", "6 x 10 yd"),
        Of(@"(?<=\d)\s*°(?!\s*[cf]" + E + ")", " deg ", "downhill 4 x 30 m 2°", "4 x 30 m downhill 2deg"),

        // Who a line is for, in front or in brackets behind.
        Of(@"^\s*(" + People + @")\s*[:,]?\s+(?=\d+\s*(?:x|" + U + @"))(?!.*" + B + "for" + E + ")(.*)$", "$2 for $1", "juniors: 4 x 20 m", "4 x 20 m for juniors"),
        Of(@"^(.*\d.*?)\s*\(\s*(?:for\s+)?(?:the\s+)?((?:group|squad)\s+[a-z1-9]|[a-z]\s+(?:group|squad)|" + People + @")\s*\)\s*$", "$1 for $2", "4 x 20m (A group)", "4 x 20 m for \"A group\""),

        // Turns and cuts by their angle, and marks set apart.
        Of(@"(?<=^\s*)cuts?\s*(?:at|of)?\s*(45|90)(?:\s*deg(?:rees?)?" + E + @")?(?=\s*:?\s*(?:\d{1,2}\s*x|x))", "", "cuts 45° 4 x 10m each side", "cut forty-five 4 x 10 m each side") with { Make = m => m.Groups[1].Value == "45" ? "cut forty-five " : "cut ninety " },
        Of(@"(?<=^\s*(?:\d{1,2}\s*x\s*)?)(45|90)[ -]deg(?:rees?)?[ -]cuts?" + E, "", "90 degree cuts 4 x 10m each side", "cut ninety 4 x 10 m each side") with { Make = m => m.Groups[1].Value == "45" ? "cut forty-five " : "cut ninety " },
        Of(@"(?<=\d\s*" + U + @"\s*,?\s*)(?:with\s+)?(45|60|90|120|180)\s*deg(?:rees?)?\s*(cuts?|turns?)\s*$", " <$1 degree $2> ", "zigzag 5 x 20m 45 degree cuts", "zigzag run 5 x 20 m cue \"45 degree cuts\""),
        Of(@"^(?=.*" + B + @"(?:wickets?|hurdles?|sticks?|cones?)" + E + @")(.*\d[^\s,]*)\s*,?\s*(?:at|@|spaced(?:\s+at)?|spacing)\s*(\d(?:\.\d{1,2})?)\s*m(?:etres?|eters?)?(?:\s*(?:apart|spacing|gaps?))?\s*$", "$1 <$2 m apart> ", "wickets 6 x 20m at 1.8m", "mini-hurdle run 6 x 20 m cue \"1.8 m apart\""),

        // Short ways of saying how often, how far and against what.
        Of(@"^\s*best\s+of\s+(\d)\s*(?:x\s*)?(?=\d{1,3}\s*" + U + ")", "$1 x ", "best of 3 x 30m timed", "3 x 30 m log time"),
        Of(@"(?<=\d\s*" + U + @"\s*)(?:sprint|speed|dash|acceleration|run)\s+(?=(?:tests?|time[ -]trials?|tt)" + E + ")", " ", "20m sprint test x 2", "2 x 20 m log time"),
        Of(@"(?<=\d\s*" + U + @"\s*)(?:accel\p{L}*|build[ -]?up|build|run[ -]?(?:up|in)|lead[ -]?in|roll(?:ing)?[ -]?in|entry|approach)\s+zone" + E, " run-in ", "3x20m fly, 20m accel zone, rest 5'", "3 x 20 build + 20 m fly rest 5:00"),
        Of(@"(?<=%\s*)v[ -]?(?:dec|loss|drop)" + E, "slower", "sled 4 x 10 m 50% vdec", "4 x 10 m sled -50%v"),
        Of(@"^\s*(\d{1,2}\s*%\s*slower)\s+(sleds?|chains?)" + E + "(.*)$", "$2 $1 $3", "50% Vdec sled 4 x 10 m", "4 x 10 m sled -50%v"),
        Of(B + @"squat\s+jumps?(?=.*\d\s*(?:kg|lbs?|%))", "loaded jump ", "squat jumps 3x5 @ 20kg", "loaded jump 3 x 5 reps 20 kg"),
        Of(@"(?<=" + B + @"(?:back|recovery|rest|rec|down))\s+(?:in\s+)?between(?:\s+(?:the\s+|each\s+|all\s+)?(?:reps?|runs?|sprints?|ones?|efforts?))?(?=\s*(?:$|,))(?!.*sets)", "", "10m x4, walk back between", "4 x 10 m rest walk-back"),
        Of(@"(?<=^.*" + B + @"(?:decel\p{L}*|brak\p{L}*|sprint|run|stick)" + E + @".*\d.*)" + B + @"stop(?:ping)?\s+(?:with)?in\s+(\d{1,2})\s*$", " <stop within $1 m> ", "deceleration 5x15m stop in 5", "stick the stop 5 x 15 m cue \"stop within 5 m\""),
        Of(@"^(\s*(?:\d{1,2}\s*x\s*)?" + Time + @")\s*(?:sprint|run|fast|effort)(?:s|ing)?\s*[,/&-]?\s*(?:and\s+)?(" + Time + @")\s*(?:off|rest|easy|jog|walk|slow|float)" + E, "$1 on $2 off", "20s sprint 40s off x 6", "6 x 20 s rest 0:40"),
        Of(@"^\s*(\d{1,2})\s*(?:sets?\s*(?:of|x)?|x)\s*(\d{1,2})\s*x\s*(10|15|20|30|40|45|60)\s*/\s*(10|15|20|30|40|45|60)(?:\s*(?:s|secs?|seconds?))?(?:\s*,?\s*(?:w/|with)?\s*(" + Time + @")(?:\s*(?:rest\s*)?(?:between|after)\s+(?:the\s+)?sets?)?)?\s*$", "", "2 sets of 8 x 20/20, 3 min", "2 x 8 x 20 s rest 0:20/3:00") with { Make = m => $"{m.Groups[1].Value} x {m.Groups[2].Value} x {m.Groups[3].Value} s rest {m.Groups[4].Value} s{(m.Groups[5].Success ? $" andsets {m.Groups[5].Value}" : "")}" },

        Of(@"^(?=.*" + B + @"(?:wickets?|hurdles?)" + E + @")(.*\d[^\s,]*)\s*,\s*([12]\.\d{1,2})\s*m(?:etres?|eters?)?\s*$", "$1 <$2 m apart> ", "wickets x 5, 1.9 m", "mini-hurdle run 5 passes cue \"1.9 m apart\""),
        Of(@"^(.*)" + B + @"from\s+(?:an?\s+|the\s+|your\s+)?(?:seated|sitting)(?:\s+position)?" + E + "(.*)$", "seated start $1 $2", "4x15m from seated", "seated start 4 x 15 m"),
        Of(@"^(.*)" + B + @"from\s+(?:lying\s+)?(?:on\s+)?(?:the\s+|your\s+|their\s+)?(?:supine|backs?)(?:\s+position)?" + E + "(.*)$", "supine start $1 $2", "4x10m from supine", "supine start 4 x 10 m"),
        Of(@"(?<=" + B + @"fl(?:y|ying)\s*\d{1,2}\s*s?\s*(?:" + U + @"\s*)?(?:x\s*\d{1,2}\s*)?)(@\s*\d{2,3}\s*%?)\s*,?\s*(?:with\s+|w/\s*)?(?:an?\s+)?(\d{1,2}\s*" + U + @"\s*(?:build(?:[ -]?up)?|run[ -]?(?:in|up)|lead[ -]?in|approach))", " with $2 $1 ", "4x flying 30 @ 100%, 30m build up, rest 7-8 min", "4 x 30 build + 30 m fly @100% rest 7:00-8:00"),
        Of(B + @"(?:fly|run|roll|lead|rolling)[ -]in\s+(\d{1,2}\s*" + U + @")(?=\s*(?:\+|,|then|into))", "$1 run-in ", "fly-in 20m + 20m fly x 3", "3 x 20 build + 20 m fly"),
        Of(@"(?<=x\s*)(\d{1,2})\s*(?:to\s+(?:the\s+)?)?left\s*(?:,|/|and|&)?\s*(?:x\s*)?\1\s*(?:to\s+(?:the\s+)?)?right" + E, "$1 each side", "5-10-5 x 3 left 3 right", "five-ten-five 3 x 5 + turn 180 right + 10 + turn 180 left + 5 m each side"),
        Of(@"^\s*(?:sprint|run|accelerate)\s+(\d{1,2}\s*(?:" + U + @")?)\s*(?:,|then|and|to|into|&)?\s*(?:an?\s+)?(?:hard\s+|full\s+|quick\s+|dead\s+)?(?:stop|stick|brake|decel\p{L}*)(?:\s*x\s*(\d{1,2}))?\s*$", "stick the stop $2 x $1", "sprint 15m then stop x 5", "stick the stop 5 x 15 m"),
        Of(@"(?<=" + B + @"(?:jumps?|hops?|bounds?)" + E + @".*),?\s*(?:measured|for\s+(?:max(?:imum)?\s+)?distance\s*,?\s*measured)\s*$", " log length", "broad jump x 5 measured", "broad jump 5 reps log length"),
        Of(@"(?<=" + B + @"(?:throws?|toss(?:es)?)" + E + @".*),?\s*(?:measured|for\s+(?:max(?:imum)?\s+)?distance\s*,?\s*measured)\s*$", " log distance", "overhead throws x 4 measured", "overhead back throw 4 reps log distance"),
        Of(@"(?<=\d\s*x\s*\d{1,2}(?:\s*reps?)?\s+)(?:body[ -]?weight|bw)(?:\s+only)?\s*$", "", "hip thrusts 3x8 bodyweight", "hip thrust 3 x 8 reps"),
        Of(@"^\s*mas\s+(?:runs?|intervals?|training|blocks?|reps?)\s*:?\s*(?=\d)", "MAS ", "MAS runs 15/15 x 12 at 105%", "12 x 15 s 105% aerobic rest 0:15"),
        Of(@"^(\s*(?:mas\s*:?\s*)?\d\d)\s*s(?:ecs?)?\s*[/:-]\s*(\d\d)\s*s(?:ecs?)?(?=\s*(?:x|for)\s*\d)", "$1/$2", "15s/15s x 12 at 105% MAS", "12 x 15 s 105% aerobic rest 0:15"),
        Of(@"^\s*(\d)\s*x\s*(\d{1,2})\s*(?:minutes?|mins?|min|')\s*(?:of\s+|:\s*)?(\d\d)\s*(?:s\s*)?[/:-]\s*(\d\d)(?:\s*s)?(?<how>\s*(?:(?:@|at)\s*\d{2,3}\s*%\s*(?:mas|aerobic)?)?)(?:\s*,?\s*(?:rest\s*)?(?<set>" + Time + @")(?:\s*(?:rest\s*)?between\s+sets?)?)?\s*$", "", "2 x 6 min 15/15 @ 100% MAS, 3 min", "2 x 12 x 15 s 100% aerobic rest 0:15/3:00") with { Make = m => OnOff(m.Groups[1].Value + " x", m.Groups[2].Value, m.Groups[3].Value, m.Groups[4].Value) + (m.Groups["set"].Success ? $"andsets {m.Groups["set"].Value} " : "") + m.Groups["how"].Value },
        Of(@"(?<=(?<![\d.])(\d{2,4})\s*m(?:etres?|eters?)?\s*)(?:@|at|in)\s*(\d{1,2}):([0-5]\d)\s*(?:min\s*)?(?:/|per\s+)\s*km" + E, "", "4 x 1000m @ 4:00/km", "4 x 1000 m in 4:00") with { Make = m => $" in {Math.Round(Parsed(m.Groups[1].Value) / 1000 * ((Parsed(m.Groups[2].Value) * 60) + Parsed(m.Groups[3].Value))):0} s " },
        Of(@"^\s*(?:(?:general|dynamic|team)\s+)?warm[ -]?up\s*[:,-]?\s*(\d{1,2}\s*" + T + @")\s+(?:of\s+)?(?:easy\s+)?(jog|skip|bike|cycl|row)(?:ging|ping|ing|e)?\s*$", "$2 $1", "general warm up 5 mins jog", "easy jog 5 min"),
        Of(@"^\s*cool[ -]?down\s*[:,-]?\s*(\d{1,2}\s*" + T + @")\s*(?:of\s+|:\s*|,\s*|\(\s*)?((?:(?:easy|light|gentle)\s+)?(?:walk|jog|stretch|breath|roll)\p{L}*(?:\s*(?:,|and|&|\+)\s*(?:(?:easy|light|gentle)\s+)?(?:walk|jog|stretch|breath|foam roll|roll)\p{L}*)+)\s*\)?\s*$", "cool-down $1 <$2>", "cool-down 10 min walk and stretch", "cool-down 10 min cue \"walk and stretch\""),
        Of(@"^\s*(?:everyone|everybody|all(?:\s+(?:athletes|players))?|(?:the\s+)?whole\s+(?:group|team|squad))\s*[:,]?\s+(?=\d+\s*(?:x|" + U + "))", "", "everyone 3x20m", "3 x 20 m"),
        Of(@"(?<=\d\s*" + U + @"\s*)(?:(?:on\s+the\s+)?flat|free|unloaded|unresisted|without\s+(?:load|sled)|no\s+(?:load|sled))(?:\s+(?:sprints?|runs?))?(?=\s*(?:$|,|rest|x\s*\d))", "", "2 x 20m free", "2 x 20 m"),
        Of(@"^\s*([1-9])\s+(?=(?:heavy\s+|light\s+)?(?:sled|band|hill|free)\s+\d{1,2}\s*" + U + ")", "$1 x ", "3 sled 20m", "3 x 20 m sled"),
        Of(@"(?<=^\s*\d{1,2}\s*x\s*)free\s+(?=\d{1,2}\s*" + U + ")", "", "2 free 20m", "2 x 20 m"),

        Of(@";\s*(?=(?:rests?|recovery|full\s+rec\p{L}*|walk[ -]?back|w/)" + E + @"(?!.*;))", ", ", "6 x 40 m; rest 3 min", "6 x 40 m rest 3:00"),
        Of(@"(?<=[\d\p{L}%)])\s+-\s+(?=\p{L}{2})", ", ", "30 m x 4 - blocks - 4min", "4 x 30 m from blocks rest 4:00"),
        Of(@"(?<=" + B + @"(?:marching|skipping|running|cycling)\s+[abc])'?s(?!\p{L})", "", "marching A's 2x15m", "A-march 2 x 15 m"),
        Of(@"\(\s*(\d{2,3}\s*cm)\s*\)", " $1 ", "hurdle hops 5x5 (45cm)", "hurdle rebound 5 x 5 reps cue \"45 cm\""),

        Of(B + @"overspeed\s+(?=.*downhill)", "", "overspeed 3x30m downhill", "3 x 30 m downhill"),
        Of(B + @"(?:bungees?|cord|elastic)\s+tow(?:ed|s|ing)?(?:\s+(?:sprints?|runs?))?" + E, "tow", "bungee tow 4x20m", "4 x 20 m tow"),
        Of(@"(\d{1,2})\s*x\s*(\d{1,2}\s*" + U + @")\s*left\s*(?:,|/|and|&|\+)?\s*\1\s*x\s*\2\s*right" + E, "$1 x $2 each side", "curve sprints 4x30m left, 4x30m right", "curve run 4 x 30 m each side"),
        Of(@"(?<=" + B + @"fl(?:y|ying)\s*\d{1,2}\s*s?\s*)(?:w/|with)\s*(\d{1,2}\s*" + U + @")\s*lead(?=\s*(?:$|,|x))", "with $1 run-in", "flying 30s w/ 30m lead x 4", "4 x 30 build + 30 m fly"),

        Of(@"^\s*(?:at|@)\s*(\d{2,3}(?:-\d{2,3})?\s*%)\s*:\s*(\d.*)$", "$2 @$1", "at 95%: 4 x 30m", "4 x 30 m @95%"),
        Of(@"^\s*(\d{1,2})\s*of\s*(?=\d{1,3}\s*" + U + ")", "$1 x ", "5 of 20m", "5 x 20 m"),
        Of(@"(?<=\d\s*%\s*)/\s*(" + Time + @")\s*$", " rest $1", "4x30m @95%/3min", "4 x 30 m @95% rest 3:00"),
        Of(@"(?<=\d\s*(?:m|yd)\s*)x\s*(?=\d{2,3}\s*%)", " @", "4*30m*95%", "4 x 30 m @95%"),
        Of(@"(?<=\d\s*(?:m|yd)\s*)(\d{1,2})\s*x\s*$", " x $1", "30m4x", "4 x 30 m"),
        Of(@"(?<=^\s*(?:\p{L}[\p{L} ]*)?\d{1,3}\s*(?:kgs?|lbs?)\s*)x\s*(?=\d{1,3}\s*" + U + ")", " ", "sled 20kg x 15m x 5", "5 x 15 m sled 20 kg"),
        Of(@"(?<=(?:" + U + @"|x\s*\d{1,2})\s*)\+\s*(?=\d{1,3}(?:\.\d)?\s*(?:kgs?|lbs?)" + E + ")", " ", "sled 5 x 15m +20kg", "5 x 15 m sled 20 kg"),
        Of(@"(?<=" + B + @"sled" + E + @".*?),?\s*(?:load(?:ed)?|weight(?:ed)?)\s+(?:to|for|at|of)\s+(?=\d)", " ", "sled 5 x 15m, load to 50% velocity drop", "5 x 15 m sled -50%v"),
        Of(B + @"(half|quarter|[1-3]/[2-4])\s*(?:of\s+|x\s*)?(?:body[ -]?(?:weight|mass)|bw)" + E, "", "5 x 15m sled half bodyweight", "5 x 15 m sled 50%bm") with { Make = m => $" {Fraction(m.Groups[1].Value)}%bm " },
        Of(@"(?<=x\s*\d{1,2}\s*)@\s*(" + Time + @")\s*$", " rest $1", "20 m x 4 @ 5 min", "4 x 20 m rest 5:00"),
        Of(B + @"(?:v[ -]?max|top[ -]end(?:\s+speed)?)" + E + @"(?=.*\d)", "max velocity", "Vmax 20 m x 4", "4 x 30 build + 20 fly + 20 m slow"),
        Of(@"^\s*(\d)\s*sets?\s+(?:of\s+)?(\p{L}[\p{L} -]*?)\s*x\s*(\d{1,2})\s*$", "$2 $1 x $3", "5 sets broad jump x 3", "broad jump 5 x 3 reps"),
        Of(B + @"medicine[ -]balls?" + E, "med-ball", "medicine ball chest pass 10 reps x 3", "chest throw 3 x 10 reps"),
        Of(@"(?<=^[^,x]*\d\s*" + U + @"[^,x]*),\s*(two|three|four|five|six|eight|ten)\s+(?:of\s+(?:them|these|those)|times|reps)\s*$", "", "40m sprints, four of them", "4 x 40 m") with { Make = m => $" x {OfWord(m.Groups[1].Value)}" },
        Of(@"(?<=\d\s*x\s*(\d{2,3})\s*m\s*)(?:,\s*)?(\d{1,2})(?:\s*-\s*(\d{1,2}))?\s*s(?:ec(?:ond)?s?)?\s*(?=$|,)", "", "8 x 100m 16-17s", "8 x 100 m in 16-17 s") with { Make = m => IsPace(m.Groups[1].Value, m.Groups[2].Value) && (m.Groups[3].Success || Parsed(m.Groups[2].Value) < LeastRest) ? $" in {m.Groups[2].Value}{(m.Groups[3].Success ? "-" + m.Groups[3].Value : "")} s " : m.Value },
        Of(@"(\d{1,3})\s*s(?:ec(?:ond)?s?)?\s*on\s*[,/&]?\s*(\d{1,3})\s*off" + E, "$1 s on $2 s off", "plank 30 sec on 15 off x 4", "front plank 4 x 30 s rest 0:15"),

        Of(@"(?<=" + B + @"(?:hurdles?|wickets?|sticks?)\s*)x\s*(\d{1,2})\s*,\s*(\d{1,2})\s*(?:passes|runs|times|goes)\s*$", "$2 passes <$1 of them>", "mini hurdles x 8, 4 passes", "mini-hurdle run 4 passes cue \"8 of them\""),
        Of(@"\(\s*(sled|band|hill|uphill|vest|chain|parachute|blocks|standing|timed|flying|[34][ -]?(?:pt|point))\s*\)", " $1 ", "resisted sprints (sled) 6x15m, 30% BM, 2 min", "6 x 15 m sled 30%bm rest 2:00"),
        Of(@"(?<=" + B + @"(?:hill|uphill)\s+)(?:accelerations?|accels?|efforts?|dash(?:es)?|bursts?|reps?)(?=\s*(?:x\s*)?\d)", "sprints", "hill accelerations 6 x 20 m walk back", "hill sprint 6 x 20 m rest walk-back"),
        Of(@"^\s*wall\s+(?:drills?|drives?|switch(?:es)?)\s*[-:,]?\s*(single|double|triple)s?(?:\s+(?:exchanges?|switch(?:es)?))?" + E, "wall drill $1", "wall drill - single exchange 2x6", "wall switch one 2 x 6 reps"),

        Of(@"(?<=\d\s*" + U + @"[^;]*),\s*(?:repeat\s+)?(\d{1,2})\s*times\s*$", ", x $1", "20m sprint, walk back, 6 times", "6 x 20 m rest walk-back"),
        Of(@"(?<=x\s*\d{1,2}\s*)\s-\s(?=\d{2,3}\s*%)", ", ", "30m x 3 - 95% - 3 min", "3 x 30 m @95% rest 3:00"),
        Of(@"^(\s*fl(?:y|ying)\s*\d{1,2}\s*(?:s|" + U + @")?)(\s*(?:x\s*\d{1,2})?.*rest.*?),\s*(\d{1,2}\s*" + U + @")\s*(?:run[ -]?(?:in|up)|build(?:[ -]?up)?|lead[ -]?in)\s*$", "$1 with $3 run-in $2", "fly 10m x 6 rest 3 min, 20 m run in", "6 x 20 build + 10 m fly rest 3:00"),
        Of(@"(?<=\d\s*(?:" + U + @"|x\s*\d{1,2})?\s*),?\s*(barefoot|in\s+(?:spikes|flats|trainers|socks))" + E, " <$1> ", "100m strides x 4 barefoot", "build-up 4 x 100 m cue \"barefoot\""),
        Of(@"^\s*easy\s+run(?:ning)?\s+(\d{1,3}\s*" + T + @")\s*$", "$1 easy", "easy run 15 min", "15 min easy"),
        Of(B + @"towing" + E, "tow", "towing 3x30m +5%", "3 x 30 m tow +5%v"),
        Of(@"(?<![\d.])(\d(?:\.\d{1,2})?)\s*miles?" + E, "", "jog 1 mile", "easy jog 1610 m") with { Make = m => $"{Math.Round(Parsed(m.Groups[1].Value) * 160.934) * 10:0} m" },
        Of(@"x\s*(\d{1,2})\s*,\s*(\d{1,2})\s*(?:each|per|a)\s+(?:way|side|direction|leg)" + E, "", "pro agility x 6, 3 each way", "five-ten-five 3 x 5 + turn 180 right + 10 + turn 180 left + 5 m each side") with { Make = m => Parsed(m.Groups[1].Value) == 2 * Parsed(m.Groups[2].Value) ? $"x {m.Groups[2].Value} each side" : m.Value },
        Of(@"(?<=MAS\s*),\s*(" + Time + @")\s*(?:off|easy|rest)\s*$", " rest $1", "8 x 30 sec @ 100% MAS, 30 sec off", "8 x 30 s 100% aerobic rest 0:30"),
        Of(B + @"at\s+(?=\d{2,3}(?:\s*-\s*\d{2,3})?\s*%\s*(?:of\s+)?(?:max(?:imum)?\s+)?(?:hr|heart))", "@ ", "4 x 4 min at 85-90% HR max, 3 min jog", "4 x 4 min rest 3:00 cue \"85-90% of top heart rate\""),
        Of(@"^\s*(\d{1,3}\s*" + U + @")\s*(?:sprints?|runs?)?\s*(every\s+" + Time + @")\s*x\s*(\d{1,2})\s*$", "$3 x $1 $2", "30m sprints every 30 s x 8", "8 x 30 m rest every 0:30"),
        Of(@"(?<=\d\s*" + U + @"\s*)tests?\s*[,(]?\s*timed\s*\)?", " timed", "2 x 30m test (timed)", "2 x 30 m log time"),
        Of(@"(?<=\d\s*x\s*\d{1,2}\s*)x\s*(\d{2,3}\s*cm)" + E, " $1", "hurdle jumps 5 x 4 x 60cm", "hurdle rebound 5 x 4 reps cue \"60 cm\""),

        // Ways of being counted.
        Of(@"(?<=x\s*" + D + @"\s*" + U + @"\s*)accel(?:eration)?s?(?:\s+(?:runs?|sprints?))?(?=\s*(?:$|,\s*(?!\d+\s*" + U + ")|@|at" + E + "|rest|w/|with|from|full|\\())", "", "6 x 20m acceleration, full recovery", "6 x 20 m rest 1:00/10 m"),
        Of(@"^\s*(" + One + @"\s*" + U + @")\s*accel(?:eration)?s?\s*(?=x\s*\d)", "$1 ", "20m acceleration x 5", "5 x 20 m"),
        Of(@"(?<=\p{L}\s*)(\d{1,2})\s*x\s*,\s*(?=\d{1,2}\s*(?:minutes?|mins?|min)|\d+:\d\d)", "x $1, ", "T test 3x, 3 min", "T-test 3 x 10 + cut 90 left + 5 shuffle + turn 180 + 10 shuffle + turn 180 + 5 shuffle + cut 90 + 10 m backpedal rest 3:00"),
        Of(@"^(\s*(?:ins?[ -](?:(?:and|&|n)[ -])?outs?|sprint[ -]float[ -]sprint)\s*)(\d{1,2})\s*x\s*\(\s*(\d{1,2})\s*\+\s*(\d{1,2})\s*\+\s*(\d{1,2})\s*(" + U + @")?\s*\)", "$2 x $3 fast + $4 float + $5 $6 fast", "in-out 4x(20+20+20)", "4 x 20 fast + 20 float + 20 m fast"),
        Of(@"(?<=" + B + @"walk(?:ing)?[ -]?backs?)\s+(?:between|after)\s+(?:the\s+|each\s+)?(?:reps?|runs?)" + E, "", "3 sets of 3 x 20m, walk back between reps, 3 min between sets", "3 x 3 x 20 m rest walk-back/3:00"),
        Of(@"(?<=x\s*\d{1,2}\s*(?:s|secs?|seconds?))\s*,?\s*walk(?:ing)?[ -]?(?:backs?|down)" + E + @"(?:\s+(?:rest|recovery))?\s*$", ", rest walk-back", "hill sprints 6x 8s walk back", "hill sprint 6 x 8 s rest walk-back"),
        Of(@"(?<=^(?!.*\d\s*" + U + @").*%\s*,?\s*)jog[ -]?backs?(?:\s+(?:rest|recovery))?\s*$", " <jog back> ", "6 x 100 @ 75% jog back", "6 x 100 m @75% cue \"jog back\""),
        Of(@"^(\s*\d{1,2}\s*x\s*fly(?:ing)?\s*\d{1,2}\s*(?:" + U + @")?)\s+(\d{1,2}\s*" + U + @")\s+build(?:[ -]?up)?" + E, "$1 with $2 run-in, ", "3 x fly 20m 40m build 8 min", "3 x 40 build + 20 m fly rest 8:00"),
        Of(@"(?<=^.*\d\s*x\s*\d{1,2}\s*x.*)" + B + @"(every\s+" + Time + @")\s*,\s*(" + Time + @")\s*$", "$1 andsets $2", "RSA 2 x 6 x 30m every 25s, 4 min", "repeat sprints 2 x 6 x 30 m rest every 0:25/4:00"),
        Of(@"(?<![\d.])(" + One + @"\s*" + U + @")\s*x\s*(\d{1,2})\s*x\s*(\d{1,2})\s*sets?" + E, "$3 x $2 x $1", "30 m x 3 x 2 sets", "2 x 3 x 30 m"),
        Of(@"(?<=\d\s*reps?\s*x\s*\d{1,2})\s*sets?" + E, "", "squat 5 reps x 3 sets @ 80kg", "squat 3 x 5 reps 80 kg"),
        Of(@"^\s*(\d{1,2}\s*x\s*)?(\d{1,2}\s*x\s*)([2-9]\d|\d{3})\s+(?:w/\s*)?(" + Time + @")\s*$", "$1 $2 $3 m rest $4", "3x150 8'", "3 x 150 m rest 8:00"),
        Of(@"^\s*(\d{1,2}\s*x\s*)?(\d{1,2}\s*x\s*)([2-9]\d|\d{3})\s+(?:w/\s*)?(\d{1,2})\s*'\s*$", "$1 $2 $3 m rest $4 min", "4x120 6'", "4 x 120 m rest 6:00"),
        Of(@"^\s*mas\s*:?\s*(?=\d.*x)(.*?)(?:@|at)?\s*(\d{2,3})\s*%\s*$", "$1 at $2% MAS", "MAS 8 x 15/15 at 100%", "8 x 15 s 100% aerobic rest 0:15"),
        Of(@"^\s*(\d{1,2}\s*x\s*)?(\d{1,2}\s*x\s*)(10|15|20|30|40|45|60)\s*/\s*(10|15|20|30|40|45|60)(?:\s*(?:s|secs?|seconds?))?(?=\s*(?:$|,|@|at" + E + @"|rest|\d+\s*%))", "$1 $2 $3 s rest $4 s ", "10 x 15/15", "10 x 15 s rest 0:15"),
        Of(@"^\s*(\d\d)\s*[/:-]\s*(\d\d)\s*(?:x|for)\s*(\d{1,2})\s*(?:minutes?|mins?|min)" + E, "", "MAS 15/15 x 8 min 110%", "16 x 15 s 110% aerobic rest 0:15") with { Make = m => OnOff("", m.Groups[3].Value, m.Groups[1].Value, m.Groups[2].Value) },
        Of(@"^(?<head>\s*\p{L}{3}.*?)\s*,?\s*" + B + @"(?:x\s*)?(?:best\s+(?:of\s+)?(\d)|(\d)\s*(?:attempts?|tries|trials?))(?:\s+best\s+of)?\s*$", "", "vertical jump 3 attempts", "countermovement jump 3 reps") with { Make = m => $"{m.Groups["head"].Value} x {m.Groups[1].Value}{m.Groups[2].Value}" },
        Of(@"(?<=x\s*\d{1,2})\s*,?\s*(?:take\s+(?:the\s+)?)?best(?:\s+of)?\s*$", "", "30m test x3 best of", "3 x 30 m log time"),
        Of(@"(?<=\d\s*x?\s*)(?:foot[ -]contacts?|ground[ -]contacts?|touches)" + E, " contacts ", "pogo 3 x 20 foot contacts", "pogo hops 3 x 20"),
        Of(@"^\s*(\d{1,3})\s+contacts\s+(?:of\s+)?(\p{L}[\p{L} -]*)$", "$2 $1 contacts", "60 foot contacts pogo", "pogo hops 60 reps"),
        Of(@"(?<=\d\s*)(?:e\s*/\s*[lsa]|e[asl])" + E + @"\.?|(?<=x\s*\d{1,2}\s+)e(?=\s*(?:$|,))", " each side ", "split squat 3x8 e/l 16kg", "split squat 3 x 8 reps each side 16 kg"),
        Of(@"(?<=\d\s*x\s*|\d\s*sets?\s*(?:of\s*|x\s*)?)(?:max(?:imum)?(?:\s+reps)?|amrap|failure)\s*$|(?<=\d\s*sets?\s*)(?:to\s+failure|amrap|max(?:imum)?\s+reps)\s*$", " passes <as many as can be done well> ", "pull ups 3 x max", "pull-up 3 passes cue \"as many as can be done well\""),
        Of(@"(?<=" + B + @")(\d{1,2})\s*(?:x|sets?(?:\s+of)?)\s*(?=passes " + LineText.SaidClass + ")", "$1 ", "chin-ups 3 sets to failure", "pull-up 3 passes cue \"as many as can be done well\""),
        Of(@"(?<=^(?!.*\d\s*%).*" + B + @"(?:sled|chain|vest)\s*)(?:@|at|with|,)?\s*(?:own\s+|full\s+)?(?:body[ -]?weight|bw)\s*$", " 100%bm", "5 x 15m sled @ bodyweight", "5 x 15 m sled 100%bm"),
        Of(@"(?<!" + B + @"(?:sled|chain|vest).*)(?:@|at|,)\s*(?:body[ -]?weight|bw)\s*$", "", "hip thrusts 3 x 10 @ bodyweight", "hip thrust 3 x 10 reps"),
        Of(@"^\s*(paused?|tempo)\s+(?=\p{L}{3,}[\p{L} -]*\d)(?!.*runs?" + E + @")(?=(?:squat|front|back|split|bench|deadlift|rdl|romanian|hip|single|push|pull|press|chin|lunge|calf))(.*)$", "", "paused squat 3 x 3", "squat 3 x 3 reps cue \"with a pause\"") with { Make = m => m.Groups[1].Value[0] is 't' or 'T' ? m.Groups[2].Value : m.Groups[2].Value + " <with a pause>" },

        // Fast and easy after one another.
        Of(@"^\s*(\d{1,2}\s*x\s*)?(\d{1,2})\s*[-/]\s*(\d{1,2})\s*[-/]\s*(\d{1,2})\s*(" + U + @")?\s*fly(?:s|ing)?(?:\s*x\s*(\d{1,2}))?(?=\s*(?:$|,|@|rest|full|\d+\s*min))", "", "20-20-20 fly x 3", "3 x 20 build + 20 fly + 20 m slow") with { Make = m => $"{(m.Groups[6].Success ? m.Groups[6].Value + " x " : m.Groups[1].Value)}{m.Groups[2].Value} build + {m.Groups[3].Value} fly + {m.Groups[4].Value} {(m.Groups[5].Success ? m.Groups[5].Value : "m")} slow" },
        Of(@"(?<=x\s*)(\d{2,3})\s*(" + U + @")((?:\s+\p{L}[\p{L}-]*){0,2})\s*\(\s*(?<part>\d{1,2}\s*(?:" + U + @")?\s*" + Done + @")(?:\s*[,/+-]?\s*(?<part>\d{1,2}\s*(?:" + U + @")?\s*" + Done + @")){1,5}\s*\)", "", "in and outs 3 x 60m (20 fast 20 relaxed 20 fast)", "3 x 20 fast + 20 float + 20 m fast") with { Make = Parts },
        Of(@"^(.*?)(\d{1,2})\s*(?:" + U + @")?\s*(?:fast|hard|sprint)\s*[,/-]?\s*(\d{1,2})\s*(?:" + U + @")?\s*(?:easy|relaxed|float|coast)\s*[,/-]?\s*(\d{1,2})\s*(" + U + @")?\s*(?:fast|hard|sprint)(?:\s*x\s*(\d{1,2}))\s*$", "$1 $6 x $2 fast + $3 float + $4 fast", "20 fast 20 easy 20 fast x 4", "4 x 20 fast + 20 float + 20 m fast"),
        Of(@"^\s*(?<n>\d{1,2}\s*x\s*)?(?:(?:accel(?:erate)?|build)\s*(?:for\s*)?(?<a>\d{1,2})\s*(?<u>" + U + @")?|(?<a>\d{1,2})\s*(?<u>" + U + @")?\s*(?:accel(?:erat\p{L}+)?|build))\s*(?:,|\+|/|and|then|into)?\s*(?:(?:hold|maintain|cruise)\s*(?:for\s*)?(?<b>\d{1,2})\s*(?<u>" + U + @")?|(?<b>\d{1,2})\s*(?<u>" + U + @")?\s*(?:hold|maintain|cruise))(?:\s*x\s*(?<n>\d{1,2}))?(?=\s*(?:$|,|rest|full|@))", "", "accelerate 20m hold 20m x 3", "3 x 20 build + 20 m fly") with { Make = m => $"{(m.Groups["n"].Success ? m.Groups["n"].Value.TrimEnd(' ', 'x', 'X') + " x " : "")}{m.Groups["a"].Value} build + {m.Groups["b"].Value} {(m.Groups["u"].Success ? m.Groups["u"].Value : "m")} fly" },
        Of(@"^\s*(\d{1,2})\s*(?:x\s*)?flying\s+(?:sprints?|runs?)\s*(?:of\s*|over\s*)?(?=\d)", "$1 x flying ", "4 flying sprints 20m, 40 m approach", "4 x 40 build + 20 m fly"),
        Of(@"^\s*(?:(?:max(?:imum|imal)?[ -]?(?:v|vel|velocity|speed)|top[ -]speed)\s*[:,]?\s*)?(\d{1,2}\s*(?:" + U + @")?)\s*fly\s*,\s*(\d{1,2}\s*(?:" + U + @")?)\s*(?:build(?:[ -]?up)?|run[ -]?in|lead[ -]?in|approach)\s*,\s*(\d{1,2})\s*(?:reps?|runs?|times|x)", "$3 x $2 build + $1 fly", "max velocity 10m fly, 30 m build, 4 reps, 5 min", "4 x 30 build + 10 m fly rest 5:00"),

        // Rest between reps and between sets.
        Of("(?<between>" + B + @"(?:rest\s*)?(?:every\s+" + Time + @"|walk(?:ing)?[ -]?backs?(?:\s+(?:rest|recovery))?))\s*(?:,|;|/|\+|and|then)?\s*(?:w/|with)?\s*(?<set>" + Time + @")\s*(?:rest\s*)?(?:between|after)\s+(?:each\s+|the\s+)?sets?" + E, "", "2 x 4 x 60m walk back, 5 min between sets", "2 x 4 x 60 m rest walk-back/5:00") with { Make = m => BothRests(m.Groups["between"].Value, m.Groups["set"].Value) },
        Of("(?<between>" + B + @"(?:rest\s*)?walk(?:ing)?[ -]?backs?(?:\s+(?:rest|recovery))?)\s*/\s*(?<set>" + Time + ")", "", "2 x 4 x 20 m walk-back / 5 min", "2 x 4 x 20 m rest walk-back/5:00") with { Make = m => BothRests(m.Groups["between"].Value, m.Groups["set"].Value) },
        Of(@"^(?!.*" + B + "(?:rest|recovery|walk|every|on|off|between\\s+(?:reps?|runs?)|r)" + E + @")(?!.*\d\s*'.*\d\s*')(?!.*\d\s*/\s*\d)(?!.*\d\s*(?:" + T + @").*\d\s*(?:" + T + @"))(.*\d\s*x.*?|.*\d\s*sets.*?)\s*,?\s*(?:w/|with)?\s*(?<!" + B + @"in\s+|[-:.\d])(" + Time + @")\s*(?:between|after)\s+(?:each\s+|the\s+)?sets?\s*$", "$1 rest onlysets $2", "2 x 4 x 60 m, 5 min between sets", "2 x 4 x 60 m rest 5:00 between sets"),

        // Loads, and what stands in the wrong place.
        Of(@"(?<=\d\s*(?:" + U + @"\s*)?)(?:with\s+)?(?:the\s+)?(left|right)\s+(?:foot|leg)\s*(?:forwards?|first|in front|leads?|leading|at the front)" + E, " <$1 leg in front> ", "4 x 20m left foot forward", "4 x 20 m cue \"left leg in front\""),
        Of(@"(?<=each\s+(?:leg|foot))\s+(?:forwards?|first|in front|leading)" + E, "", "20m x 3 each leg forward", "3 x 20 m each side"),
        Of(@"(?<=" + B + @"fl(?:y|ying)\s*\d{1,2}\s*(?:s|" + U + @")?)(?:\s*(?:sprints?|runs?))?\s*:\s*(\d{1,2})\s*(?:reps?|runs?|sprints?|x)" + E, " x $1 ", "flying 20m sprints: 4 reps, 5 mins", "4 x 30 build + 20 fly + 20 m slow rest 5:00"),
        Of(@"^\s*(\d{1,3}\s*" + U + @")\s*(?:@|at)\s*(\d{1,3}(?:\.\d{1,2})?\s*(?:s|secs?|seconds?)" + E + @")\s*x\s*(\d{1,2})(?!\d)", "$3 x $1 in $2", "200 m at 30 s x 4", "4 x 200 m in 30 s"),
        Of(@"(?<=\d\s*" + U + @"\s*)(?:@|at)\s*(\d{1,3}(?:\.\d{1,2})?)\s*(?:s|secs?|seconds?)" + E + @"(?!\s*(?:rest|recovery|off))", " in $1 s ", "150m @ 16.5s x 3, 10 min", "3 x 150 m in 16.5 s rest 10:00"),
        Of(@"(?<=\d\s*(?:kg|lb)s?\s*,?\s*)(" + Time + @")\s*/\s*(" + Time + @")\s*$", " rest $1/$2 ", "sled 2 x 3 x 20m @ 20kg 2min/5min", "2 x 3 x 20 m sled 20 kg rest 2:00/5:00"),
        Of(@"(?<=x\s*\d{2})\s+(?=\d{1,2}\s*%)", " m ", "light sled 4x20 10% vdec", "light sled 4 x 20 m sled -10%v"),
        Of(@"\(\s*(\d{1,3}\s*(?:kg|lb|%\s*\p{L}[\p{L} ]*))\s*\)", " $1 ", "heavy sled 4 x 10m (50% vdec)", "heavy sled 4 x 10 m sled -50%v"),
        Of(B + @"partner[ -](?:tow(?:ed|ing|s)?|pull(?:ed|ing|s)?|drag(?:ged|s)?)(?:\s+(?:sprints?|runs?))?" + E, "partner ", "partner towing 4 x 15 m", "4 x 15 m partner"),
        Of(@"(?<=" + B + @"hurdles?\s+(?:hops?|jumps?|rebounds?)\s+)over\s+(?=\d)", "", "hurdle jumps over 6 hurdles x 4", "hurdle rebound 4 x 6 reps"),
        Of(@"^\s*(?<part>(?:" + Moves + @"|run)\s*\d{1,2}\s*(?:" + U + @")?)(?:\s*(?:,|\+|then|into)\s*(?<part>(?:" + Moves + @"|run)\s*\d{1,2}\s*(?:" + U + @")?)){2,5}\s*(?:x\s*(?<n>\d{1,2}))?\s*$", "", "sprint 10, shuffle 5, sprint 10 x 4", "4 x 10 sprint + 5 shuffle + 10 m sprint") with { Make = MovesInARow },
        Of(@"(?<=" + B + @"(?:overspeed|assisted)" + E + @".*)\s(?:with\s+|w/\s*|by\s+)?(?:an?\s+)?(?:bungees?|bands?|cords?)\s*$", "", "overspeed 3 x 30m bungee", "3 x 30 m tow"),
        Of(B + @"(sled|chain)\s+(?:loaded|set|weighted)\s+(?:to|at|for)\s+(?=\d)", "$1 ", "sled loaded to 10% slower 4 x 30m", "4 x 30 m sled -10%v"),
        Of(@"(?<=\d\s*%\s*)(?:slow[ -]?down|(?:speed|velocity)\s+(?:reduction|drop)|drop\s+in\s+(?:speed|velocity)|decrement)" + E, "slower", "4 x 20 m sled 10% slowdown", "4 x 20 m sled -10%v"),
        Of(@"(?<=\p{L}\s*\d{1,2}\s*x\s*\d{1,2}(?:\s*reps)?)\s*,\s*(\d{1,2}\s*(?:minutes?|mins?|min))\s*,\s*(@?\s*\d{2,3}\s*(?:%|kg|lb))", " $2 rest $1", "squat 3 x 5, 3 min, 75%", "squat 3 x 5 reps 75% max rest 3:00"),
        Of(@"(?<=\p{L}\s*\d{1,2}\s*x\s*\d{1,2}(?:\s*reps)?)\s*,\s*(?=@?\s*\d{2,3}\s*(?:%|kg|lb))", " ", "deadlift 5 x 3, 75%, 3 min", "deadlift 5 x 3 reps 75% max rest 3:00"),
        Of(@"(?<=" + B + @"timed\s*,?\s*)(?:with\s+)?(?:laser|electronic|timing)\s+(?=gates" + E + ")", "", "3x30m timed, laser gates at 10/20/30", "3 x 30 m gates 10,20,30 log time"),
        Of(@"^\s*(\d{1,2})\s*(" + U + @")\s*splits?\s*[:,]?\s*(?:on|over|for|in)?\s*(\d{1,3})\s*(" + U + @")(?:\s*x\s*(\d{1,2}))?\s*$", "", "10 yd splits 40 yards x2", "2 x 40 yd gates every 10 yd") with { Make = m => $"{(m.Groups[5].Success ? m.Groups[5].Value + " x " : "")}$3 $4 gates every $1 $2" },
        Of(@"(?<=" + B + @"(?:from\s+)?(?:blocks?|[34][ -]?(?:pts?|points?)(?:\s+(?:starts?|stance))?)\s*)(?:x\s*(\d{1,2})\s*)?(?:to|over|out\s+to)\s+(\d{1,2})\s*(" + U + @")(?:\s*x\s*(\d{1,2}))?", "", "3pt starts x 6 to 15m", "6 x 15 m from 3-point") with { Make = m => m.Groups[1].Success || m.Groups[4].Success ? $" {m.Groups[1].Value}{m.Groups[4].Value} x $2 $3" : " $2 $3" },
        Of(@"(?<=\d\s*" + U + @"\s*(?:,\s*)?)(half[ -]kneeling|kneeling|prone|standing|falling)\s*$", "from $1", "4 x 15m prone", "4 x 15 m from prone"),
        Of(@"(?<=" + B + @"(?:lying|prone|push[ -]?up|kneeling|standing|falling)\s+starts?.*)\s+from\s+(?:prone|kneeling|standing|falling|lying)\s*$", "", "lying start 4 x 15m prone", "prone start 4 x 15 m"),
        Of(@"(?<=\d.*)" + B + @"(?:stop(?:ping)?|brak(?:e|ing))\s+(?:with)?in\s+(\d|two|three|four|five|six|eight)\s*(?:steps?|strides?)\s*$", " <stop in $1 steps> ", "deceleration 4x10m stop in 3 steps", "stick the stop 4 x 10 m cue \"stop in 3 steps\""),
        Of(@"(?<=" + B + @"(?:hurdles?|wickets?|sticks?)\s*)(?:runs?\s*)?(\d{1,2})\s*(?:x|passes(?:\s+(?:of|over))?|runs?(?:\s+over)?)\s*,?\s*(\d{1,2})\s*(hurdles?|wickets?|sticks?)\s*$", "$1 passes <$2 $3>", "wickets 3 x 8 wickets", "mini-hurdle run 3 passes cue \"8 wickets\""),
        Of(@"(?<=\d\s*(?:x\s*\d{1,2})?\s*(?:" + U + @")?\s*)sub[ -]?max(?:imal)?(?:\s+(?:effort|pace|speed))?" + E, " <not flat out> ", "60m x 3 sub max", "3 x 60 m cue \"not flat out\""),
        Of(@"(?<=\d\s*" + U + @"\s*)(?:progressive(?:ly)?|rising)\s*(\d\d)\s*%?\s*[-/,]\s*(\d\d)\s*%?\s*[-/,]\s*(\d\d|100)\s*%", " @$1,$2,$3%", "3 x 60m progressive 70-80-90%", "3 x 60 m @70,80,90%"),
        Of(@"^(?=\s*\p{L}{3})(?!\s*(?:cool|warm))(.*\d\s*(?:" + T + "|" + U + @").*?)(?<!" + B + @"as)\s+(?:cool[ -]?down|warm[ -]?up)\s*$", "$1", "walk 5 mins cool down", "walk and breathe 5 min"),
        Of(@"(?<=" + B + @"(?:box|jumps?|hops?|hurdles?|drops?|steps?|step-ups?)" + E + @"[^;]*)(?:from\s+|on\s+|onto\s+|over\s+)?(?:an?\s+)?(?<![\d.])(\d{1,2})\s*(?:in|inch(?:es)?)(?:\s*(?:box(?:es)?|hurdles?))?(?=\s*(?:$|,|\d{1,2}\s*x))", " <$1 in> ", "box jump 24 in 5 x 3", "box jump 5 x 3 reps cue \"24 in\""),
        Of(B + @"505(?!\s*(?:" + U + @"|x|[-:./]|\d))(?=\s*(?:left|right|both|drills?|tests?)" + E + ")", "five-o-five", "505 left and right x 3", "ten-and-back 3 x 5 + turn 180 + 5 m each side"),
    ];

    // Sprint 10, shuffle 5, sprint 10: stretches with what is done in front.
    private static string MovesInARow(Match match)
    {
        var parts = match.Groups["part"].Captures.Select(c => MoveThenLength.Match(c.Value)).ToList();
        var unit = parts.Select(p => p.Groups[3].Value).LastOrDefault(u => u.Length > 0) ?? "m";
        return (match.Groups["n"].Success ? match.Groups["n"].Value + " x " : "") + string.Join(" + ", parts.Select((p, i) => $"{p.Groups[2].Value} {(i == parts.Count - 1 ? unit + " " : "")}{p.Groups[1].Value}"));
    }

    private static readonly Regex MoveThenLength = new(@"^(\p{L}+)\s*(\d{1,2})\s*(\p{L}*)", RegexOptions.CultureInvariant, TimeSpan.FromMilliseconds(250));

    // Two rests on one line: what lies between reps, and what between sets.
    private static string BothRests(string between, string set) =>
        between.Contains("walk", StringComparison.OrdinalIgnoreCase) ? $" rest walk-back andsets {set} " : $" {between[between.IndexOf("every", StringComparison.OrdinalIgnoreCase)..]} andsets {set} ";

    // Stretches in brackets stand in place of their sum; where they come to something else the line stays as it was and is asked about.
    private static string Parts(Match match)
    {
        var parts = match.Groups["part"].Captures.Select(c => c.Value).ToList();
        double Length(string part) => Parsed(string.Concat(part.TakeWhile(c => char.IsAsciiDigit(c))));
        if (parts.Sum(Length) != Parsed(match.Groups[1].Value))
        {
            return match.Value;
        }

        var unit = match.Groups[2].Value;
        var stretches = parts.ConvertAll(p => $"{Length(p).ToString(CultureInfo.InvariantCulture)} {RoleOf(p)}");
        stretches[^1] = stretches[^1].Insert(stretches[^1].IndexOf(' ', StringComparison.Ordinal), " " + unit);
        return $"{string.Join(" + ", stretches)} {match.Groups[3].Value}";
    }

    private static string RoleOf(string part)
    {
        var word = string.Concat(part.SkipWhile(c => !char.IsLetter(c))).ToLowerInvariant();
        word = Regex.Replace(word, "^" + U + @"\s*", "", RegexOptions.None, TimeSpan.FromMilliseconds(250));
        return word switch
        {
            _ when word.StartsWith("build", StringComparison.Ordinal) || word.StartsWith("accel", StringComparison.Ordinal) => "build",
            _ when word.StartsWith("fly", StringComparison.Ordinal) || word == "hold" || word.StartsWith("max", StringComparison.Ordinal) => "fly",
            _ when word.StartsWith("slow", StringComparison.Ordinal) || word.StartsWith("decel", StringComparison.Ordinal) => "slow",
            _ when word.StartsWith("float", StringComparison.Ordinal) || word.StartsWith("relax", StringComparison.Ordinal) || word.StartsWith("coast", StringComparison.Ordinal) || word == "easy" => "float",
            "out" or "up" => "up",
            "back" => "back",
            _ => "fast",
        };
    }
}
