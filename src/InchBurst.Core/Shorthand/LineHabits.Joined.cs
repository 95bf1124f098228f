using System.Globalization;
using System.Text.RegularExpressions;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;

namespace InchBurst.Core.Shorthand;

/// <summary>The habits that join two things that are known: one exercise into another, sets with a load each, parts that make up a run, what is said in front of a line.</summary>
public static partial class LineHabits
{
    private static Habit[] Joined() =>
    [
        // What stands in front and belongs behind.
        Of(@"^\s*(?:timing\s+)?gates?\s*(?:at|on|:)?\s*(\d[\d\s,/&m]*?)\s*:\s*(?=\d)(.*)$", "", "gates at 10, 20, 30: 4 x 30m", "4 x 30 m gates 10,20,30") with { Make = m => $"{RestSaid(m.Groups[2].Value)} gates {m.Groups[1].Value}" },
        Of(@"^\s*hard\s*:?\s+(?=\d{1,2}\s*x\s*\d{1,3}\s*" + U + ")", "fast ", "hard 5 x 30m", "5 x 30 m fast"),
        Of(@"^\s*(?:speed|speed\s+dev(?:elopment)?|accel(?:eration)?\s+dev(?:elopment)?|sprint\s+work|main(?:\s+(?:set|part|work))?)\s*:?\s+(?=\d{1,2}\s*x\s*\d)", "", "accel dev 5x20m walk back", "5 x 20 m rest walk-back"),
        Of(@"^\s*(lactic|lactate|alactic|glycolytic|race\s+(?:model|plan|rehearsal|pattern))\s*:?\s+(?=\d{1,2}\s*x\s*\d|\d{2,3}\s*" + U + ")(.*)$", "$2 <$1>", "race model 2 x 100m", "2 x 100 m cue \"race model\""),

        // Parts of a run.
        Of(@"^\s*fl(?:y|ys|ies|ying)(?:\s+(?:sprints?|runs?))?\s*:?\s*(\d{1,2})\s*x\s*(\d\d)\s*(?:m|yd)?\s*/\s*(\d\d)(?![\d/])", "$1 x $2 build + $3 fly ", "flys 4 x 30/20", "4 x 30 build + 20 m fly"),
        Of(@"(?<=" + B + @"build(?:[- ]?ups?)?\s*(?:\+|,|then|and|into)\s*\d{1,2}\s*" + U + @")\s*(?:hold|maintain|maintenance)" + E, " fly", "3 x 20m buildup + 20m hold", "3 x 20 build + 20 m fly"),
        Of(@"(?<=x\s*)(\d{2,3})(?=\s*\(\s*\d{1,2}\s*(?:" + U + @")?\s*" + Done + @"\s*[,/+-])", "$1 m", "4 x 60 (30 accel, 30 relaxed)", "4 x 30 build + 30 m float"),

        Of(@"\(\s*(\d{1,2})\s*\+\s*(\d{1,2})\s*(?:m|yd)?\s*\)\s*(?=fl(?:y|ying)" + E + ")", "$1 build + $2 ", "3 x (30 + 30) fly, 5'", "3 x 30 build + 30 m fly rest 5:00"),

        Of(@"^(?<n>\s*\d{1,2}\s*x\s*)?(?<w>\d{2,3})\s*(?<u>m|yd)\s*(?:float|easy)[ -](?:fast|sprint|hard)[ -](?:float|easy)(?:\s*x\s*(?<n>\d{1,2}))?(?=\s*(?:$|,|rest))", "", "60m easy-fast-easy x 3", "3 x 20 float + 20 fast + 20 m float") with { Make = m => Parsed(m.Groups["w"].Value) % 3 != 0 ? m.Value : $"{(m.Groups["n"].Success ? m.Groups["n"].Value.Trim(' ', 'x') : "1")} x {Parsed(m.Groups["w"].Value) / 3} float + {Parsed(m.Groups["w"].Value) / 3} fast + {Parsed(m.Groups["w"].Value) / 3} {m.Groups["u"].Value} float" },
        Of(@"^\s*(?:float|easy)[ -](?:fast|sprint|hard)[ -](?:float|easy)\s*:?\s*(?<n>\d{1,2}\s*x\s*)?(\d{1,2})\s*[-/]\s*(\d{1,2})\s*[-/]\s*(\d{1,2})\s*(m|yd)?(?:\s*x\s*(?<n>\d{1,2}))?", "", "float-fast-float 3 x 20/20/20", "3 x 20 float + 20 fast + 20 m float") with { Make = m => $"{(m.Groups["n"].Success ? m.Groups["n"].Value.Trim(' ', 'x') : "1")} x {m.Groups[1].Value} float + {m.Groups[2].Value} fast + {m.Groups[3].Value} {(m.Groups[4].Success ? m.Groups[4].Value : "m")} float" },
        Of(@"^(?<n>\s*\d{1,2}\s*x\s*)?(45|60|90|120|180)\s*(?:deg(?:ree)?s?)?\s*(turn|cut)s?\s*(?:sprints?|runs?|drills?)?\s*:?\s*(?<n>\d{1,2}\s*x\s*)?(\d{1,2})\s*(?:m|yd)?\s*\+\s*(\d{1,2})\s*(m|yd)?(?:\s*x\s*(?<n>\d{1,2}))?(?!\d)", "", "180 turn sprints 10+10m x 4", "4 x 10 + turn 180 + 10 m") with { Make = m => $"{(m.Groups["n"].Success ? m.Groups["n"].Value.Trim(' ', 'x') : "1")} x {m.Groups[3].Value} + {m.Groups[2].Value.ToLowerInvariant()} {m.Groups[1].Value} + {m.Groups[4].Value} {(m.Groups[5].Success ? m.Groups[5].Value : "m")} " },

        // One thing into another.
        Of(B + @"(\p{L}[\p{L}-]*(?:[ -]\p{L}[\p{L}-]*)?)\s+(?:in)?to\s+(?:an?\s+)?(\p{L}[\p{L}-]*(?:[ -]\p{L}[\p{L}-]*)?)(?=\s*:?\s*(?:\d|x\s*\d|$|,))", "", "A-march to A-skip 3 x 20m", "A-march 3 x 20 m cue \"into A-skip\"") with { Make = Into },

        // Sets with a load each, and how far to go.
        Of(@"^\s*(\p{L}[\p{L} -]*?)\s*[:,]?\s+(?:(?<reps>[1-9]|1[0-2])\s*(?:reps?\s*)?(?:@|at)\s*(?<load>\d{2,3})\s*%\s*(?:,|/|;|then)?\s*){2,6}$", "", "squat 5@60% 5@70% 3@80%", "squat 5,5,3 @60,70,80% max") with { Make = m => $"{m.Groups[1].Value} {All(m, "reps")} @{All(m, "load")}% max" },
        Of(@"^\s*(\p{L}[\p{L} -]*?)\s+([1-9](?:\s*/\s*[1-9]){2,4})\s*(\+)?\s*$", "", "deadlift 5/3/1", "deadlift 5,3,1") with { Make = Falling },
        Of(@"^\s*([1-9](?:\s*-\s*[1-9]){2,6})\s+(\p{L}[\p{L} -]*)$", "", "5-4-3-2-1 broad jumps", "broad jump 5,4,3,2,1") with { Make = m => Figures(m.Groups[1].Value) is var all && all.Zip(all.Skip(1)).All(p => p.First > p.Second) ? $"{m.Groups[2].Value} {string.Join(",", all)}" : m.Value },
        Of(B + @"(?:work(?:ing)?\s+)?up\s+to\s+(?:about\s+)?(\d{2,3})\s*%(?!\s*(?:slower|faster|of\s+b|bw|bm))", " $1% <working up to it> ", "deadlift 3x3 up to 85%", "deadlift 3 x 3 reps 85% max cue \"working up to it\""),
        Of(@"(?:@|" + B + @"(?:with|w/|at|leave|keep))?\s*(?<![\d.])(\d(?:\s*-\s*\d)?)\s*(?:rir|(?:reps?\s+)?in\s+(?:reserve|the\s+tank))" + E, " <$1 in reserve> ", "front squat 4 x 3 @ 2-3 RIR", "front squat 4 x 3 reps cue \"2-3 in reserve\""),

        // Swings in both planes; wall drills by how many switches.
        Of(@"^\s*leg\s+swings?\s*[:,(]?\s*(?:front\s*(?:(?:to|/|-|and|&)\s*back)?|forwards?|f/b|fb|sagittal)\s*(?:and|&|,|/|\+)\s*(?:side(?:ways|s)?(?:\s*(?:to|/|-)\s*side)?|s/s|ss|lateral|frontal|across)\s*\)?\s*,?\s*(.*)$", "leg swing forwards $1; leg swing sideways $1", "leg swings front and side x 10", "leg swing forwards x 10; leg swing sideways x 10"),
        Of(@"^\s*wall\s+(?:drills?|switch(?:es)?|runs?)\s*[:,(-]?\s*singles?\s*(?:,|/|and|&)\s*doubles?(?:\s*(?:,|/|and|&|,\s*and)\s*(triples?))?\s*\)?\s*(.*)$", "", "wall drill: singles, doubles, triples x 5", "wall switch one x 5; wall switch two x 5; wall switch three x 5") with { Make = m => $"wall switch one {m.Groups[2].Value}; wall switch two {m.Groups[2].Value}{(m.Groups[1].Success ? $"; wall switch three {m.Groups[2].Value}" : "")}" },

        // Rest.
        Of(@"(?<=\d\s*" + U + @"\s*,?\s*)(\d{1,2}\s*')\s*(?:each|per\s+(?:rep|run))\s*$", " rest $1", "3 x 30m 4' each", "3 x 30 m rest 4:00"),
        Of(@"\(?\s*(?:" + B + Resting + @"\s*(?:is|of|:|=|-)?\s*)?" + B + @"walk(?:ing)?[ -]?back\s*(?:(?:\+|plus|and|then|&|,)\s*(?:another\s+|an\s+extra\s+)?(?:" + Resting + @"\s*)?|(?:" + Resting + @"\s+))(" + Time + @")(?!\s*(?:between|/|set))(?:\s*(?:" + Resting + @"|more|extra))?(?:\s*[,/]\s*(" + Time + @")(?:\s*" + Resting + @")?\s*(?:between|after)\s*(?:the\s+)?sets?)?\s*\)?", "", "5 x 30m walk back plus 1 min", "5 x 30 m rest walk-back + 1:00") with { Make = m => $" rest walk-back + $1{(m.Groups[2].Success ? " andsets $2" : "")} " },

        Of(@"\(\s*(\d{1,3}\s*(?:″|''|s(?:ecs?)?))\s*[,;/]\s*(\d{1,2}\s*(?:'|min)(?:\s*[0-5]\d)?)\s*\)", " rest $1/$2 ", "2 x 4 x 100m (30\", 3')", "2 x 4 x 100 m rest 0:30/3:00"),
        Of(@"(?<=\d[^;]*)" + B + @"(?:easy|slow)\s+(?=walk(?:ing)?[ -](?:down|back))", "", "hills 6x 40m easy walk down", "6 x 40 m uphill rest walk-back"),
        Of(@"^(\s*\p{L}[^\d,]*?)\s(\d{1,2})\s*x\s*,\s*(\d{1,2}\s*'|" + Time + @")\s*$", "$1 x $2, rest $3", "wicket run 3x, 4'", "mini-hurdle run 3 passes rest 4:00"),

        Of(@"(?<=" + B + @"rest\s*(?:is|of|:|=)?\s*)([1-9])\s*/\s*(\d{1,2})\s*(?:mins?|minutes?|')", "$1 min/$2 min", "3 x 4 x 30m @92% rest 2/5 min", "3 x 4 x 30 m @92% rest 2:00/5:00"),

        Of(@"(?<=x\s*(\d{2,4})\s*(?:m(?:etres?|eters?)?)?\s*|^\s*(\d{2,4})\s*m(?:etres?|eters?)?\s*(?:x\s*\d{1,2}\s*)?)@\s*(\d{1,2}(?:\.\d{1,2})?)\s*s(?:ecs?)?" + E, "", "2 x 200 @ 26s, 8 mins", "2 x 200 m in 26 s rest 8:00") with { Make = m => IsPace(m.Groups[1].Value + m.Groups[2].Value, m.Groups[3].Value) ? $" in {m.Groups[3].Value} s " : m.Value },
        Of(@"^\s*(\d{2,4}\s*" + U + @")\s*in\s+(\d{1,3}(?:\.\d{1,2})?\s*s(?:ecs?)?)\s*x\s*(\d{1,2})(?!\d)", "$3 x $1 in $2 ", "100m in 14s x 5, 90s", "5 x 100 m in 14 s rest 1:30"),
        Of(@"^\s*(?:(?<n>[2-9])\s*x\s*(?<r>\d{1,3}\s*" + U + @")|(?<r>\d{1,3}\s*" + U + @")\s*x\s*(?<n>[2-9]))\s*,?\s*(?:building|build(?:ing)?\s+up|rising|ramping|progress\p{L}*)\s*(?:from\s+|@\s*)?(?<a>\d{2})\s*%?\s*(?:-|to)\s*(?<b>\d{2,3})(?!\d|\s*[-/,]\s*\d)\s*%?", "", "30m x 4 building 85-100%", "4 x 30 m @85,90,95,100%") with { Make = Rising },
        Of(B + @"(?:progressive(?:ly)?|building|ramping)\s*(?:@\s*)?(?=\d{2,3}\s*%?\s*[/,]\s*\d{2,3})", " @", "3 x 30m progressive 80/90/100", "3 x 30 m @80,90,100%"),
        Of(@"(?<=\d\s*" + U + @"\s*(?:,\s*)?)on\s+the\s+:?([2-9][05])(?=\s*(?:$|,|x))", " rest every $1 s", "8 x 30m on the 45", "8 x 30 m rest every 0:45"),
        Of(@"^\s*e([2-9])mom\s*:?\s*(?=\d)(.*)$", "$2 rest every $1 min", "e2mom 5 x 30m", "5 x 30 m rest every 2:00"),
        Of(@"(?<=%\s*(?:of\s+)?(?:mas|vvo2\s?max|aerobic)\s*)/\s*(" + Time + @")\s*$", " rest $1", "6 x 15s @ 120% vVO2max / 15s", "6 x 15 s 120% aerobic rest 0:15"),

        // What is said beside the work.
        Of(@",?\s*(?:-\s*)?" + B + @"((?:stop|end|finish|call\s+it)\s+(?:if|when|once)\s+[^,;()]*)\s*$", " <$1>", "5 x 30m stop if slower than 4.3", "5 x 30 m cue \"stop if slower than 4.3\""),
        Of(@"(?<=\d.*)[,\s]\s*(?:in\s+|on\s+)?(lanes?\s+\d(?:\s*(?:-|,|&|and)\s*\d)?)" + E, " <$1> ", "bend 4 x 40m lane 4", "curve run 4 x 40 m cue \"lane 4\""),
        Of(@"(?<=\d.*)" + B + @"(?:on\s+)?(?:an?\s+)?((?:slight|gentle|small|steep)\s+(?:grade|gradient|slope|decline))" + E, " <$1> ", "downhill 40m x 4 slight grade", "4 x 40 m downhill cue \"slight grade\""),
        Of(B + @"(?:w/|with|to|off)\s*(?:an?\s+|the\s+)?(?:starting\s+|start\s+)?(gun|clap|whistle)" + E, " <on the $1> ", "blocks 4 x 30m w/ gun", "4 x 30 m from blocks cue \"on the gun\""),
        Of(@"(?<=^.*" + B + @"(?:wickets?|hurdles?|sticks?|cones?)" + E + @".*\d[^\s,]*)\s*,?\s*(\d(?:\.\d{1,2})?)\s*m(?:etres?|eters?)?\s+(?:apart|spacing|gaps?|between)" + E, " <$1 m apart> ", "mini hurdles 6 x 10m, 1.8m spacing", "mini-hurdle run 6 x 10 m cue \"1.8 m apart\""),

        Of(@"^(.*\d.*?)[,\s]\s*((?:in\s+|race\s+)?(?:spikes|flats|trainers|barefoot)(?:\s+on)?)(?=\s*$|,|\s+(?:easy|relaxed|fast))(.*)$", "", "60m x 2 from blocks, 10 min, race spikes", "2 x 60 m from blocks rest 10:00 cue \"race spikes\"") with { Make = m => $"{RestSaid(m.Groups[1].Value + m.Groups[3].Value)} <$2>" },
        Of(@"(?<=" + B + @"(?:hops?|jumps?))\s+over\s+(?:an?\s+|the\s+)?lines?" + E + "(.*)$", "$1 <over a line>", "lateral hops over line 3 x 10s", "lateral jump 3 x 10 s cue \"over a line\""),
        Of(@"(?<=" + B + @"(?:jump|hop|drop)s?)\s+(?:on)?to\s+(?:an?\s+|the\s+)?(hurdle|box|mat|bar|hoop)(?=\s*(?:\d|x\s*\d))(.*)$", "$2 <to a $1>", "drop jump to hurdle 4x3", "depth jump 4 x 3 reps cue \"to a hurdle\""),
        Of(@"(?<=" + B + @"laps?|\d\s*" + U + @")\s+(?:of|around|round)\s+(?:the\s+)?(?:pitch|track|field|court|hall|gym)" + E, "", "jog 1200 m round the pitch", "easy jog 1200 m"),

        // Tests, zones and blocks by their names.
        Of(@"(?<=\d\s*" + U + @"\s*fl(?:y|ying))\s+(?:tests?|time[ -]trials?|tt)" + E, " timed ", "30m fly test x 2", "2 x 30 build + 30 fly + 20 m slow log time"),
        Of(@"^\s*(zone\s*[1-5]|z[1-5])\s+(?:runs?|running)\s*:?\s*(?=\d)(.*)$", "$2 <$1>", "zone 2 run 20 min", "20 min cue \"zone 2\""),
        Of(@"^\s*(\d{2,3}\s*%\s*(?:of\s+)?mas\s*:?\s*|)(\d\d)\s*[:/]\s*(\d\d)\s*x\s*([1-9])\s*x\s*(\d{1,2}\s*(?:min|'))(?!\d)", "$4 x $5 $2/$3 $1", "120% MAS 15:15 x 2 x 6 min", "2 x 12 x 15 s 120% aerobic rest 0:15"),
        Of(@"(?<=^\s*(?:easy\s+|light\s+)?(?:jog|walk|run)\s*:?\s*)([1-9]\d00|[2-9]00)\s*$", "$1 m", "jog 400", "easy jog 400 m"),

        Of(@"^((?!\s*cool).*\d\s*" + T + @"|.*\d\s*" + U + @")\s*(?:\+|and|&)\s*((?:static\s+|light\s+)?stretch(?:ing|es)?|foam\s+roll(?:ing)?|mobility)\s*$", "$1; $2", "cooldown: walk 400m + stretch", "walk 400 m; stretching"),

        Of(@"^\s*foam\s+roll(?:ing|er)?\s*(?:and|&|\+|,)\s*(?:static\s+)?stretch(?:ing|es)?\s*(\d{1,2}\s*" + T + @")\s*$", "cool-down $1 <foam rolling and stretching>", "foam rolling and stretching 10 min", "cool-down 10 min cue \"foam rolling and stretching\""),
        Of(B + @"(505|5-10-5|pro[ -]agility|l[ -]drill)\s+tests?" + E + @"(?=\s*(?:x|\d))(.*)$", "$1 $2", "505 test x 3 each leg timed", "ten-and-back 3 x 5 + turn 180 + 5 m each side log time"),
        Of(@"^\s*(?:decel(?:erat(?:e|ion))?|brake|braking|stop|stopping)s?\s+(?:from|after|over)\s+(?:an?\s+)?(?=\d{1,2}\s*" + U + ")", "stick the stop ", "decel from 10m x 5", "stick the stop 5 x 10 m"),
        Of(@"^\s*([1-9])\s*x\s*(\d{1,2}\s*(?:min|'))\s*(\d\d)\s*/\s*(\d\d)\s*(?:@|at)?\s*(\d{2,3})\s*%\s*(?:mas|aerobic)\s*(?:,\s*(" + Time + @"))?\s*$", "", "3 x 6 min 15/15 100% mas, 3 min", "3 x 12 x 15 s 100% aerobic rest 0:15/3:00") with { Make = m => $"$1 x $2 $3/$4 @ $5% MAS{(m.Groups[6].Success ? ", $6 between sets" : "")}" },
        Of(@"^\s*(?:(?<n>\d{1,2})\s*x\s*)?(?<leg>\d{1,2})(?:\s*[-/]\s*(?<leg>\d{1,2})){3,6}\s*(?<u>m|yd)?\s*shuttles?(?:\s+runs?)?\s*(?:x\s*(?<n>\d{1,2}))?(?!\d)", "", "5-10-15-20m shuttle x 3", "repeat shuttle 3 x 5 up + 5 back + 10 up + 10 back + 15 up + 15 back + 20 up + 20 m back") with { Make = m => $"repeat shuttle {(m.Groups["n"].Success ? m.Groups["n"].Value : "1")} x {string.Join(" + ", m.Groups["leg"].Captures.Select((c, i) => $"{c.Value} up + {c.Value} {(i == m.Groups["leg"].Captures.Count - 1 ? (m.Groups["u"].Success ? m.Groups["u"].Value : "m") + " " : "")}back"))}" },

        Of(B + @"with\s+(?:an?|the)\s+(?=twist|turn|rotation|reach|arms?)", "with ", "lunges with a twist 10m", "walking lunge with turn 10 m"),
        Of(@"^\s*(?<n>\d{1,2}\s*x\s*)?(?<whole>\d{2,3})\s*(?<u>m|yd)\s*shuttles?(?:\s+runs?)?\s*(?:\(\s*(?<leg>\d{2})\s*(?:m|yd)(?:\s+(?:legs?|lines?|apart))?\s*\)|(?:in|over|with|of)\s+(?<leg>\d{2})\s*(?:m|yd)(?:\s+legs?)?)", "", "150m shuttle (25m) x 3", "repeat shuttle 3 x 25 up + 25 back + 25 up + 25 back + 25 up + 25 m back") with { Make = InLegs },
        Of(@"^\s*(?:(?:side|lateral)\s+)?(backpedal|shuffle|crossover|jog|skip|walk|bound|hop|march)\s+(\d{1,2})\s*(m|yd)\s*(?:into|to|then|and|\+|,)\s*(?:an?\s+)?(?:(\d{1,2})\s*(?:m|yd)\s*sprints?|sprint\s+(\d{1,2})\s*(?:m|yd))\s*x\s*(\d{1,2})(?!\d)", "", "shuffle 5m into 10m sprint x 3 each side", "3 x 5 shuffle + 10 m sprint each side") with { Make = m => $"{m.Groups[6].Value} x {m.Groups[2].Value} {m.Groups[1].Value} + {m.Groups[4].Value}{m.Groups[5].Value} {m.Groups[3].Value} sprint" },
        Of(@"^\s*(cool[ -]?down\s+\d{1,2}\s*" + T + @")\s+(?:easy\s+)?(walk|jog)(?:ing|ging)?\s*$", "$1 <$2>", "cool down 5 min walk", "cool-down 5 min cue \"walk\""),
        Of(@"^\s*((?:(?:easy|light)\s+)?(?:jog|walk))(?:ging|ing)?\s*(?:and|&|\+)\s*stretch(?:ing|es)?\s*:?\s*(\d{1,2}\s*" + T + @")\s*$", "cool-down $2 <$1 and stretch>", "light jog and stretch 5 min", "cool-down 5 min cue \"light jog and stretch\""),
        Of(@"^\s*(\d{1,3}(?:\s*-\s*\d{1,3})?\s*%\s*(?:of\s+)?(?:bw|bm|body[ -]?(?:weight|mass)))\s+(\p{L}.*)$", "$2 $1", "30% BW jump squats 4x4", "loaded jump 4 x 4 reps 30%bm"),

        Of(@"(?<=(?:\p{L}[ -](?:jump|hop|bound)|cmj|^\s*bound)s?)\s*(?:(?:\+|and|&|to|into|,|-)\s*(?:an?\s+)?(?:stick|hold)|(?:with\s+|w/\s*)?(?:an?\s+)?stick)(?:\s+it|s)?(?=\s*(?:\d|x\s*\d|$|,))(.*)$", "$1 <stick the landing>", "broad jump + stick x 5", "broad jump 5 reps cue \"stick the landing\""),
        Of(B + @"(?:double|two)[ -](?:leg(?:ged)?|foot(?:ed)?)\s+(?=(?:hurdle|box|broad|lateral|speed)\s+(?:hops?|jumps?|bounds?))", "", "double leg hurdle hops 4 x 5", "hurdle rebound 4 x 5 reps"),
        Of(@"(?<=x\s*[1-9]\s*(?:reps?\s*)?@\s*\d{2}\s*%?\s*)fast(?:\s+up)?(?=\s*(?:$|,|rest))", " <fast> ", "back squat 6 x 2 @ 60% fast", "squat 6 x 2 reps 60% max cue \"fast\""),
        Of(@"^\s*(jog\s*(?:\+|and|&|,)\s*(?:dynamic\s+(?:stretch(?:es|ing)?|mobility)|drills|mobility))\s*:?\s*(\d{1,2}\s*" + T + @")\s*$", "raise $2 <$1>", "jog + dynamic stretches 10 min", "raise 10 min cue \"jog + dynamic stretches\""),
        Of(@"^\s*(warm|cool)[ -]?(?:up|down)\s*:?\s*(\d{1,2}\s*" + T + @")\s*,?\s*(?:incl(?:uding|\.)?|with|w/)\s+(\p{L}[\p{L}, &+-]*)$", "", "cool down 10 mins incl stretching", "cool-down 10 min cue \"with stretching\"") with { Make = m => $"{(m.Groups[1].Value[0] is 'w' or 'W' ? "raise" : "cool-down")} $2 <with $3>" },
        Of(@"(?<![\d.x])\s(\d{1,3})\s*(kg|lb)s?\s*(?:in\s+)?(?:each|per)\s+(?:hand|side|arm)" + E, " 2 x $1 $2 ", "farmer carry 4x20m 24kg each hand", "loaded carry 4 x 20 m 2 x 24 kg"),
        Of(@"(?<=" + B + @"starts?)\s*\+\s*(?=\d{1,3}\s*" + U + ")", " ", "push up start + 10m x 4", "prone start 4 x 10 m"),
        Of(@"\(\s*(\d{1,2}\s+(?:cones?|poles?|mini[ -]?hurdles?|hurdles?|steps?|sticks?|wickets?))\s*\)", " <$1> ", "zig zag sprints 4 x 20m (5 cones)", "zigzag run 4 x 20 m cue \"5 cones\""),
        Of(@"(?<=^\s*(?:decel(?:erat(?:e|ion))?|brake|braking)s?\s+\d{1,2}\s*" + U + @")\s*(?:to|into)\s+(?:an?\s+)?(?:full\s+|dead\s+)?stop" + E, "", "decel 15m to stop x 4", "stick the stop 4 x 15 m"),

        Of(@"\(\s*(\d{1,2}\s+(?:each|per|a)\s+(?:way|side|leg|direction))\s*\)", " <$1> ", "7 x 20m (3 each way)", "7 x 20 m cue \"3 each way\""),
        Of(@"(?<=^\s*(?:top|max(?:imum)?)[ -](?:speed|velocity|v)\s.*\d\s*" + U + @")\s+zone" + E, "", "top speed 4 x 20m zone, 30m build", "4 x 30 build + 20 m fly"),

        // How things are spelt.
        Of(@"(?<![\d.])(\d{1,2})\s*min(?:ute)?s?\s+([0-5][05])(?=\s*(?:$|,|;|rest|recovery))", "$1:$2", "sled 4 x 20m at 15 kg, 2 min 30", "4 x 20 m sled 15 kg rest 2:30"),
        Of(@"(?<=^\s*(?:505|5-10-5))\s+((?:each|per|every)\s+(?:side|leg|way|foot|direction))\s*x\s*(\d{1,2})(?!\d)", " x $2 $1", "505 each leg x 3", "ten-and-back 3 x 5 + turn 180 + 5 m each side"),
        Of(@"^\s*w\s*/?\s*u(?:ps?)?\s*[:-]\s*(?=\d|\p{L})", "warm up: ", "WU: 5 min jog", "easy jog 5 min"),
        Of(@"^\s*(?:cd|c/d)\s*[:-]\s*(?=\d|\p{L})", "cool down: ", "CD: walk 5 min", "walk and breathe 5 min"),
        Of(@"(?<=\d\s*x\s*\d{1,3}\s*(?:" + U + @"\s*)?)accs?" + E, " accelerations ", "6x30 acc, full rec", "6 x 30 m rest 1:00/10 m"),
        Of(@"(?<=\d\s*x\s*)amrap" + E, "max", "chin up 3xAMRAP", "pull-up 3 x max"),
        Of(@"\(\s*(in\s+\d{1,3}(?:\.\d{1,2})?\s*s(?:ecs?)?)\s*\)", " $1 ", "5 x 40m (in 5.2s), 4 min", "5 x 40 m in 5.2 s rest 4:00"),
        Of(@"(?:@|" + B + @"at)\s*(\d{1,2})\s*(?:in|inch(?:es)?|″)(?=\s*(?:$|,|box|hurdles?|high|rest))(?:\s*(?:box(?:es)?|hurdles?|high))?", " $1 inches ", "box jumps 4x4 @ 24in", "box jump 4 x 4 reps cue \"24 in\""),
        Of(B + @"resisted\s+(band|sled|chain|parachute)s?" + E, "$1", "4x20m resisted band", "4 x 20 m band"),
        Of(@"^(.*)" + B + @"partner[ -](?:held[ -]|resisted[ -])?bands?(?:[ -](?:resisted|runs?|sprints?))?" + E + "(.*)$", "$1 band $2 <held by a partner>", "partner band 4 x 15m", "4 x 15 m band cue \"held by a partner\""),
        Of(@"(?<=^\s*\d{1,2}\s*x\s*)blocks?\s+(?:to|over)\s+(\d{1,3}\s*" + U + ")", "$1 from blocks ", "4x blocks to 30m", "4 x 30 m from blocks"),
        Of(@"^\s*([2-9]|1[0-2])\s+((?:\p{L}+[ -]){0,2}(?:jumps|hops|bounds|leaps))\s*x\s*(\d{1,2})(?!\d|\s*" + U + ")", "$2 $3 x $1 ", "5 bounds x 3 for distance", "alternate bound 3 x 5 reps cue \"for distance\""),
        Of(@"^\s*practi[cs]e\s+(?=starts?" + E + ")", "", "practice starts 6 x 10m", "6 x 10 m"),
        Of(@"(?<=" + B + @"(?:bar|legged|leg|romanian|stiff|conventional|sumo|^)\s*)dl" + E, "deadlift", "trap bar DL 3x5 120kg", "trap-bar deadlift 3 x 5 reps 120 kg"),
        Of(@"^\s*(\d{1,2})\s*x\s+(bounds|hops|skips|high\s+knees|butt\s+kicks|[a-c][ -]?skips?|ankle\s+dribbles)\s+(\d{1,3}\s*" + U + ")", "$2 $1 x $3", "5 x bounds 20m", "alternate bound 5 x 20 m"),
        Of(B + "ez" + E, "easy", "ez skip 2x30m", "easy skip 2 x 30 m"),
        Of(@"^\s*([2-9])\s*x\s*([2-9]|1[0-2])\s+((?:(?:grass|tempo)\s+)?diagonals?)" + E + @"(?!\s*\d)", "$3 $1 x $2 x 100 m ", "3x10 diagonals", "tempo run 3 x 10 x 100 m"),
        Of(@"(?<=^\s*cut)ting(?=\s*(?:drills?)?\s*\d)(?:\s*drills?)?", "s", "cutting drill 45 degrees x 4 each side", "cut forty-five 4 x 8 + cut 45 + 8 m each side"),
    ];

    private static string InLegs(Match match)
    {
        var (whole, leg) = (Parsed(match.Groups["whole"].Value), Parsed(match.Groups["leg"].Value));
        var legs = whole / leg;
        return legs != Math.Floor(legs) || legs is < 2 or > 20 ? match.Value
            : $"repeat shuttle {match.Groups["n"].Value}{string.Join(" + ", Enumerable.Range(0, (int)legs).Select(i => string.Create(CultureInfo.InvariantCulture, $"{leg} {(i == (int)legs - 1 ? match.Groups["u"].Value + " " : "")}{(i % 2 == 0 ? "up" : "back")}")))}";
    }

    // Evenly from the first rep to the last, in whole percent.
    private static string Rising(Match match)
    {
        var (reps, from, to) = ((int)Parsed(match.Groups["n"].Value), Parsed(match.Groups["a"].Value), Parsed(match.Groups["b"].Value));
        return $"{reps} x {match.Groups["r"].Value} @{string.Join(",", Enumerable.Range(0, reps).Select(i => Math.Round(from + ((to - from) * i / (reps - 1))).ToString("0", CultureInfo.InvariantCulture)))}% ";
    }

    private static string All(Match match, string group) => string.Join(",", match.Groups[group].Captures.Select(c => c.Value));

    private static List<int> Figures(string text) => [.. text.Split('-', '/').Select(f => int.Parse(f, CultureInfo.InvariantCulture))];

    // Reps that fall from set to set; a plus behind the last means as many as there are.
    private static string Falling(Match match) =>
        Figures(match.Groups[2].Value) is var all && all.Zip(all.Skip(1)).All(p => p.First > p.Second)
            ? $"{match.Groups[1].Value} {string.Join(",", all)}{(match.Groups[3].Success ? " <as many as you can in the last set>" : "")}"
            : match.Value;

    // A known exercise and straight into another one: the first is done, and the athlete is told what follows.
    private static string Into(Match match) =>
        ExerciseCatalogue.BuiltIn.Find(match.Groups[1].Value) is { } first && ExerciseCatalogue.BuiltIn.Find(match.Groups[2].Value) is { } second && first != second && ExerciseCatalogue.BuiltIn.Find(match.Value) is null && IsPair(first, second)
            ? $"{match.Groups[1].Value} <into {match.Groups[2].Value}>"
            : match.Value;

    // A drill goes on as another drill over the same way; what is counted, held, run hard or landed hard on behind it is work that counts, and is said in lines of its own.
    private static bool IsPair(Exercise first, Exercise second) => first.Counted == CountedIn.Metres && second.Counted == CountedIn.Metres && second.Does is not (Motion.Sprint or Motion.Bound or Motion.Hop or Motion.Jump);
}
