using System.Globalization;
using System.Text.RegularExpressions;

namespace InchBurst.Core.Shorthand;

/// <summary>The habits that come before all others: headings, dashes of lists, stretches in brackets.</summary>
public static partial class LineHabits
{
    // A stretch with what is done on it, such as 20 m fast.
    private const string Done = @"(?:build(?:[ -]?up)?|fly(?:ing)?|fast|hard|sprint(?:ing)?|float(?:ing)?|relax(?:ed)?|easy|coast(?:ing)?|slow(?:[ -]?down)?|decel\p{L}*|accel\p{L}*|hold|out|up|back)";
    private const string Heading = @"(?:acceleration|speed(?:\s+work)?|strength|gym|weights|plyos?|plyometrics|jumps|power|drills?|prep(?:aration)?|primers?|activation|mobility|core|conditioning|sprints?|part\s+[a-z1-9]|block\s+[a-z1-9]|set\s+[a-z1-9]|station\s+[a-z1-9]|[a-d][1-9]?)";

    /// <summary>The line without the heading in front of it.</summary>
    internal static string WithoutHeading(string line) => HeadingInFront.Replace(line, "");

    private static readonly Regex HeadingInFront = new("^\\s*" + Heading + @"\s*:\s*(?=\p{L})", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, TimeSpan.FromMilliseconds(250));

    private static Habit[] Early() =>
    [
        // Headings, and who a line is for.
        Of(@"^\s*(groups?\s+[\p{L}\d]{1,12}|(?:low|high)[ -]minutes?(?:\s+group)?)\s*:\s*(?=\d|\p{L})(.*)$", "$2 for $1", "Group A: 4 x 20m", "4 x 20 m for \"Group A\"") with { Make = m => m.Groups[1].Value.Contains("min", StringComparison.OrdinalIgnoreCase) ? $"$2 for {(m.Groups[1].Value[0] is 'l' or 'L' ? "low" : "high")} minutes" : "$2 for $1" },
        Of(@"^\s*(?:top[ -]speed|max(?:imum)?[ -]?(?:v|velocity|speed))\s*[:,-]?\s*(?=.*\d.*" + B + @"fly)(?=\d)", "", "top speed: 4x 30m fly", "4 x 30 build + 30 fly + 20 m slow"),
        Of("^\\s*" + Heading + @"\s*:\s*(?=\p{L}{3}|[a-c][ -](?:skip|march|run))", "", "A1: squat 3 x 5", "squat 3 x 5"),
        Of("^\\s*" + Heading + @"\s*:\s*(?=\d+\s*(?:x|" + U + "))(?!.*:.*:)", "", "prep: 3 x 20m", "3 x 20 m"),

        // Ways of being counted.
        Of(@"(?<=x\s*" + D + @"\s*" + U + @"\s*)accel(?:eration)?s?(?:\s+(?:runs?|sprints?))?(?=\s*(?:$|,\s*(?!\d+\s*" + U + ")|@|at" + E + "|rest|w/|with|from|full|\\())", "", "6 x 20m acceleration, full recovery", "6 x 20 m rest 1:00/10 m"),
        Of(@"^\s*(" + One + @"\s*" + U + @")\s*accel(?:eration)?s?\s*(?=x\s*\d)", "$1 ", "20m acceleration x 5", "5 x 20 m"),
        Of(@"(?<=\p{L}\s*)(\d{1,2})\s*x\s*,\s*(?=\d{1,2}\s*(?:minutes?|mins?|min)|\d+:\d\d)", "x $1, ", "T test 3x, 3 min", "T-test 3 x 10 + cut 90 left + 5 shuffle + turn 180 + 10 shuffle + turn 180 + 5 shuffle + cut 90 + 10 m backpedal rest 3:00"),
        Of(@"^(\s*(?:ins?[ -](?:(?:and|&|n)[ -])?outs?|sprint[ -]float[ -]sprint)\s*)(\d{1,2})\s*x\s*\(\s*(\d{1,2})\s*\+\s*(\d{1,2})\s*\+\s*(\d{1,2})\s*(" + U + @")?\s*\)", "$2 x $3 fast + $4 float + $5 $6 fast", "in-out 4x(20+20+20)", "4 x 20 fast + 20 float + 20 m fast"),
        Of(@"(?<=" + B + @"walk(?:ing)?[ -]?backs?)\s+(?:between|after)\s+(?:the\s+|each\s+)?(?:reps?|runs?)" + E, "", "3 sets of 3 x 20m, walk back between reps, 3 min between sets", "3 x 3 x 20 m rest walk-back/3:00"),
        Of(@"(?<=x\s*\d{1,2}\s*(?:s|secs?|seconds?))\s*,?\s*walk(?:ing)?[ -]?(?:backs?|down)" + E + @"(?:\s+(?:rest|recovery))?\s*$", ", rest walk-back", "hill sprints 6x 8s walk back", "hill sprint 6 x 8 s rest walk-back"),
        Of(@"(?<=%\s*,?\s*)jog[ -]?backs?(?:\s+(?:rest|recovery))?\s*$", " jogback ", "6 x 100 @ 75% jog back", "6 x 100 m @75% cue \"jog back\""),
        Of(@"^(\s*\d{1,2}\s*x\s*fly(?:ing)?\s*\d{1,2}\s*(?:" + U + @")?)\s+(\d{1,2}\s*" + U + @")\s+build(?:[ -]?up)?" + E, "$1 with $2 run-in, ", "3 x fly 20m 40m build 8 min", "3 x 40 build + 20 m fly rest 8:00"),
        Of(@"(?<=^.*\d\s*x\s*\d{1,2}\s*x.*)" + B + @"(every\s+" + Time + @")\s*,\s*(" + Time + @")\s*$", "$1 andsets $2", "RSA 2 x 6 x 30m every 25s, 4 min", "repeat sprints 2 x 6 x 30 m rest every 0:25/4:00"),
        Of(@"(?<![\d.])(" + One + @"\s*" + U + @")\s*x\s*(\d{1,2})\s*x\s*(\d{1,2})\s*sets?" + E, "$3 x $2 x $1", "30 m x 3 x 2 sets", "2 x 3 x 30 m"),
        Of(@"(?<=\d\s*reps?\s*x\s*\d{1,2})\s*sets?" + E, "", "squat 5 reps x 3 sets @ 80kg", "squat 3 x 5 reps 80 kg"),
        Of(@"^\s*(\d{1,2}\s*x\s*)?(\d{1,2}\s*x\s*)([2-9]\d|\d{3})\s+(?:w/\s*)?(" + Time + @")\s*$", "$1 $2 $3 m rest $4", "3x150 8'", "3 x 150 m rest 8:00"),
        Of(@"^\s*(\d{1,2}\s*x\s*)?(\d{1,2}\s*x\s*)([2-9]\d|\d{3})\s+(?:w/\s*)?(\d{1,2})\s*'\s*$", "$1 $2 $3 m rest $4 min", "4x120 6'", "4 x 120 m rest 6:00"),
        Of(@"^\s*mas\s*:?\s*(?=\d.*x)(.*?)(?:@|at)?\s*(\d{2,3})\s*%\s*$", "$1 at $2% MAS", "MAS 8 x 15/15 at 100%", "8 x 15 s 100% aerobic rest 0:15"),
        Of(@"^\s*(\d{1,2}\s*x\s*)?(\d{1,2}\s*x\s*)(10|15|20|30|40|45|60)\s*/\s*(10|15|20|30|40|45|60)(?:\s*(?:s|secs?|seconds?))?(?=\s*(?:$|,|@|at" + E + @"|rest|\d+\s*%))", "$1 $2 $3 s rest $4 s ", "10 x 15/15", "10 x 15 s rest 0:15"),
        Of(@"^\s*(\d\d)\s*[/:-]\s*(\d\d)\s*(?:x|for)\s*(\d{1,2})\s*(?:minutes?|mins?|min)" + E, "", "MAS 15/15 x 8 min 110%", "16 x 15 s 110% aerobic rest 0:15") with { Make = m => OnOff("", m.Groups[3].Value, m.Groups[1].Value, m.Groups[2].Value) },
        Of(@"^(?<head>\s*\p{L}{3}.*)" + B + @"(?:x\s*)?(?:best\s+(?:of\s+)?(\d)|(\d)\s*(?:attempts?|tries|trials?))(?:\s+best\s+of)?\s*$", "", "vertical jump 3 attempts", "countermovement jump 3 reps") with { Make = m => $"{m.Groups["head"].Value} x {m.Groups[1].Value}{m.Groups[2].Value}" },
        Of(@"(?<=x\s*\d{1,2})\s*,?\s*(?:take\s+(?:the\s+)?)?best(?:\s+of)?\s*$", "", "30m test x3 best of", "3 x 30 m log time"),
        Of(@"(?<=\d\s*x?\s*)(?:foot[ -]contacts?|ground[ -]contacts?|touches)" + E, " contacts ", "pogo 3 x 20 foot contacts", "pogo hops 3 x 20"),
        Of(@"^\s*(\d{1,3})\s+contacts\s+(?:of\s+)?(\p{L}[\p{L} -]*)$", "$2 $1 contacts", "60 foot contacts pogo", "pogo hops 60 reps"),
        Of(@"(?<=\d\s*)(?:e\s*/\s*[lsa]|e[asl])" + E + @"\.?|(?<=x\s*\d{1,2}\s+)e(?=\s*(?:$|,))", " each side ", "split squat 3x8 e/l 16kg", "split squat 3 x 8 reps each side 16 kg"),
        Of(@"(?<=\d\s*x\s*|\d\s*sets?\s*(?:of\s*|x\s*)?)(?:max(?:imum)?(?:\s+reps)?|amrap|failure)\s*$|(?<=\d\s*sets?\s*)(?:to\s+failure|amrap|max(?:imum)?\s+reps)\s*$", " passes asmany ", "pull ups 3 x max", "pull-up 3 passes cue \"as many as can be done well\""),
        Of(@"(?<=" + B + @")(\d{1,2})\s*(?:x|sets?(?:\s+of)?)\s*(?=passes asmany)", "$1 ", "chin-ups 3 sets to failure", "pull-up 3 passes cue \"as many as can be done well\""),
        Of(@"(?:@|at|,)\s*(?:body[ -]?weight|bw)\s*$", "", "hip thrusts 3 x 10 @ bodyweight", "hip thrust 3 x 10 reps"),
        Of(@"^\s*(paused?|tempo)\s+(?=\p{L}{3,}[\p{L} -]*\d)(?!.*runs?" + E + @")(?=(?:squat|front|back|split|bench|deadlift|rdl|romanian|hip|single|push|pull|press|chin|lunge|calf))(.*)$", "", "paused squat 3 x 3", "squat 3 x 3 reps cue \"with a pause\"") with { Make = m => m.Groups[1].Value[0] is 't' or 'T' ? m.Groups[2].Value : m.Groups[2].Value + " withapause" },

        // Fast and easy after one another.
        Of(@"^\s*(\d{1,2}\s*x\s*)?(\d{1,2})\s*[-/]\s*(\d{1,2})\s*[-/]\s*(\d{1,2})\s*(" + U + @")?\s*fly(?:s|ing)?(?:\s*x\s*(\d{1,2}))?(?=\s*(?:$|,|@|rest|full|\d+\s*min))", "", "20-20-20 fly x 3", "3 x 20 build + 20 fly + 20 m slow") with { Make = m => $"{(m.Groups[6].Success ? m.Groups[6].Value + " x " : m.Groups[1].Value)}{m.Groups[2].Value} build + {m.Groups[3].Value} fly + {m.Groups[4].Value} {(m.Groups[5].Success ? m.Groups[5].Value : "m")} slow" },
        Of(@"(?<=x\s*)(\d{2,3})\s*(" + U + @")((?:\s+\p{L}[\p{L}-]*){0,2})\s*\(\s*(?<part>\d{1,2}\s*(?:" + U + @")?\s*" + Done + @")(?:\s*[,/+-]?\s*(?<part>\d{1,2}\s*(?:" + U + @")?\s*" + Done + @")){1,5}\s*\)", "", "in and outs 3 x 60m (20 fast 20 relaxed 20 fast)", "fast-float-fast 3 x 20 fast + 20 float + 20 m fast") with { Make = Parts },
        Of(@"^(.*?)(\d{1,2})\s*(?:" + U + @")?\s*(?:fast|hard|sprint)\s*[,/-]?\s*(\d{1,2})\s*(?:" + U + @")?\s*(?:easy|relaxed|float|coast)\s*[,/-]?\s*(\d{1,2})\s*(" + U + @")?\s*(?:fast|hard|sprint)(?:\s*x\s*(\d{1,2}))\s*$", "$1 $6 x $2 fast + $3 float + $4 fast", "20 fast 20 easy 20 fast x 4", "4 x 20 fast + 20 float + 20 m fast"),
        Of(@"^\s*(?<n>\d{1,2}\s*x\s*)?(?:(?:accel(?:erate)?|build)\s*(?:for\s*)?(?<a>\d{1,2})\s*(?<u>" + U + @")?|(?<a>\d{1,2})\s*(?<u>" + U + @")?\s*(?:accel(?:erat\p{L}+)?|build))\s*(?:,|\+|/|and|then|into)?\s*(?:(?:hold|maintain|cruise)\s*(?:for\s*)?(?<b>\d{1,2})\s*(?<u>" + U + @")?|(?<b>\d{1,2})\s*(?<u>" + U + @")?\s*(?:hold|maintain|cruise))(?:\s*x\s*(?<n>\d{1,2}))?(?=\s*(?:$|,|rest|full|@))", "", "accelerate 20m hold 20m x 3", "3 x 20 build + 20 m fly") with { Make = m => $"{(m.Groups["n"].Success ? m.Groups["n"].Value.TrimEnd(' ', 'x', 'X') + " x " : "")}{m.Groups["a"].Value} build + {m.Groups["b"].Value} {(m.Groups["u"].Success ? m.Groups["u"].Value : "m")} fly" },
        Of(@"^\s*(\d{1,2})\s*(?:x\s*)?flying\s+(?:sprints?|runs?)\s*(?:of\s*|over\s*)?(?=\d)", "$1 x flying ", "4 flying sprints 20m, 40 m approach", "4 x 40 build + 20 m fly"),
        Of(@"^\s*(?:(?:max(?:imum|imal)?[ -]?(?:v|vel|velocity|speed)|top[ -]speed)\s*[:,]?\s*)?(\d{1,2}\s*(?:" + U + @")?)\s*fly\s*,\s*(\d{1,2}\s*(?:" + U + @")?)\s*(?:build(?:[ -]?up)?|run[ -]?in|lead[ -]?in|approach)\s*,\s*(\d{1,2})\s*(?:reps?|runs?|times|x)", "$3 x $2 build + $1 fly", "max velocity 10m fly, 30 m build, 4 reps, 5 min", "4 x 30 build + 10 m fly rest 5:00"),

        // Rest between reps and between sets.
        Of("(?<between>" + B + @"(?:rest\s*)?(?:every\s+" + Time + @"|walk(?:ing)?[ -]?backs?(?:\s+(?:rest|recovery))?))\s*(?:,|;|/|\+|and|then)?\s*(?:w/|with)?\s*(?<set>" + Time + @")\s*(?:rest\s*)?(?:between|after)\s+(?:each\s+|the\s+)?sets?" + E, "", "2 x 4 x 60m walk back, 5 min between sets", "2 x 4 x 60 m rest walk-back/5:00") with { Make = m => BothRests(m.Groups["between"].Value, m.Groups["set"].Value) },
        Of("(?<between>" + B + @"(?:rest\s*)?walk(?:ing)?[ -]?backs?(?:\s+(?:rest|recovery))?)\s*/\s*(?<set>" + Time + ")", "", "2 x 4 x 20 m walk-back / 5 min", "2 x 4 x 20 m rest walk-back/5:00") with { Make = m => BothRests(m.Groups["between"].Value, m.Groups["set"].Value) },
        Of(@"^(?!.*" + B + "(?:rest|recovery|walk|every|on|off|between\\s+(?:reps?|runs?)|r)" + E + @")(?!.*\d\s*'.*\d\s*')(?!.*\d\s*/\s*\d)(?!.*\d\s*(?:" + T + @").*\d\s*(?:" + T + @"))(.*\d\s*x.*?|.*\d\s*sets.*?)\s*,?\s*(?:w/|with)?\s*(?<!" + B + @"in\s+|[-:.\d])(" + Time + @")\s*(?:between|after)\s+(?:each\s+|the\s+)?sets?\s*$", "$1 rest onlysets $2", "2 x 4 x 60 m, 5 min between sets", "2 x 4 x 60 m rest 5:00 between sets"),

        // Loads, and what stands in the wrong place.
        Of(@"(?<=\d\s*(?:" + U + @"\s*)?)(?:with\s+)?(?:the\s+)?(left|right)\s+(?:foot|leg)\s*(?:forwards?|first|in front|leads?|leading|at the front)" + E, " $1legfirst ", "4 x 20m left foot forward", "4 x 20 m cue \"left leg in front\""),
        Of(@"(?<=each\s+(?:leg|foot))\s+(?:forwards?|first|in front|leading)" + E, "", "20m x 3 each leg forward", "3 x 20 m each side"),
        Of(@"(?<=" + B + @"fl(?:y|ying)\s*\d{1,2}\s*(?:s|" + U + @")?)(?:\s*(?:sprints?|runs?))?\s*:\s*(\d{1,2})\s*(?:reps?|runs?|sprints?|x)" + E, " x $1 ", "flying 20m sprints: 4 reps, 5 mins", "4 x 30 build + 20 fly + 20 m slow rest 5:00"),
        Of(@"^\s*(\d{1,3}\s*" + U + @")\s*(?:@|at)\s*(\d{1,3}(?:\.\d{1,2})?\s*(?:s|secs?|seconds?)" + E + @")\s*x\s*(\d{1,2})(?!\d)", "$3 x $1 in $2", "200 m at 30 s x 4", "4 x 200 m in 30 s"),
        Of(@"(?<=\d\s*" + U + @"\s*)(?:@|at)\s*(\d{1,3}(?:\.\d{1,2})?)\s*(?:s|secs?|seconds?)" + E + @"(?!\s*(?:rest|recovery|off))", " in $1 s ", "150m @ 16.5s x 3, 10 min", "3 x 150 m in 16.5 s rest 10:00"),
        Of(@"(?<=\d\s*(?:kg|lb)s?\s*,?\s*)(" + Time + @")\s*/\s*(" + Time + @")\s*$", " rest $1/$2 ", "sled 2 x 3 x 20m @ 20kg 2min/5min", "2 x 3 x 20 m sled 20 kg rest 2:00/5:00"),
        Of(@"(?<=x\s*\d{2})\s+(?=\d{1,2}\s*%)", " m ", "light sled 4x20 10% vdec", "light sled 4 x 20 m sled -10%v"),
        Of(@"\(\s*(\d{1,3}\s*(?:kg|lb|%\s*\p{L}[\p{L} ]*))\s*\)", " $1 ", "heavy sled 4 x 10m (50% vdec)", "heavy sled 4 x 10 m sled -50%v"),
        Of(B + @"partner[ -](?:tow(?:ed|ing|s)?|pull(?:ed|ing|s)?|drag(?:ged|s)?)(?:\s+(?:sprints?|runs?))?" + E, "partner ", "partner towing 4 x 15 m", "4 x 15 m partner"),
        Of(@"(?<=\p{L}\s+)(?:iso(?:metric)?(?:\s+holds?)?)(?=\s*(?:x\s*)?\d)", " isohold ", "bridge iso 3x30s", "hip bridge 3 x 30 s cue \"held still\""),
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
        Of(@"(?<=\d.*)" + B + @"(?:stop(?:ping)?|brak(?:e|ing))\s+(?:with)?in\s+(\d|two|three|four|five|six|eight)\s*(?:steps?|strides?)\s*$", "stopinsteps $1", "deceleration 4x10m stop in 3 steps", "stick the stop 4 x 10 m cue \"stop in 3 steps\""),
        Of(@"(?<=" + B + @"(?:hurdles?|wickets?|sticks?)\s*)(?:runs?\s*)?(\d{1,2})\s*x\s*(\d{1,2})\s*(hurdles?|wickets?|sticks?)\s*$", "$1 passes overmany $2 $3", "wickets 3 x 8 wickets", "mini-hurdle run 3 passes cue \"8 wickets\""),
        Of(@"(?<=\d\s*(?:x\s*\d{1,2})?\s*(?:" + U + @")?\s*)sub[ -]?max(?:imal)?(?:\s+(?:effort|pace|speed))?" + E, " submax ", "60m x 3 sub max", "3 x 60 m cue \"not flat out\""),
        Of(@"(?<=\d\s*" + U + @"\s*)(?:progressive(?:ly)?|rising)\s*(\d\d)\s*%?\s*[-/,]\s*(\d\d)\s*%?\s*[-/,]\s*(\d\d|100)\s*%", " @$1,$2,$3%", "3 x 60m progressive 70-80-90%", "3 x 60 m @70,80,90%"),
        Of(@"^(?=\s*\p{L}{3})(?!\s*(?:cool|warm))(.*\d\s*(?:" + T + "|" + U + @").*?)(?<!" + B + @"as)\s+(?:cool[ -]?down|warm[ -]?up)\s*$", "$1", "walk 5 mins cool down", "walk and breathe 5 min"),
        Of(@"(?<=" + B + @"(?:box|jumps?|hops?|hurdles?|drops?|steps?|step-ups?)" + E + @"[^;]*)(?:from\s+|on\s+|onto\s+|over\s+)?(?:an?\s+)?(?<![\d.])(\d{1,2})\s*(?:in|inch(?:es)?)(?:\s*(?:box(?:es)?|hurdles?))?(?=\s*(?:$|,|\d{1,2}\s*x))", " inhigh $1 ", "box jump 24 in 5 x 3", "box jump 5 x 3 reps cue \"24 in\""),
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
            _ when word.StartsWith("fly", StringComparison.Ordinal) || word == "hold" => "fly",
            _ when word.StartsWith("slow", StringComparison.Ordinal) || word.StartsWith("decel", StringComparison.Ordinal) => "slow",
            _ when word.StartsWith("float", StringComparison.Ordinal) || word.StartsWith("relax", StringComparison.Ordinal) || word.StartsWith("coast", StringComparison.Ordinal) || word == "easy" => "float",
            "out" or "up" => "up",
            "back" => "back",
            _ => "fast",
        };
    }
}
