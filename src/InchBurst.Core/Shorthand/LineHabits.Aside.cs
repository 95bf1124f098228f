using System.Text.RegularExpressions;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;

namespace InchBurst.Core.Shorthand;

/// <summary>Habits of lines that say how the work is done aside: which foot, which way, after what, and with what beside the lane.</summary>
public static partial class LineHabits
{
    private static Habit[] Aside() =>
    [
        // Tests and courses by their names.
        Of(@"^\s*(\d{1,2})\s*x\s*505s?(?!\s*(?:" + U + @"|\d|\.))", "505 $1 reps", "3 x 505 per leg", "ten-and-back 3 x 5 + turn 180 + 5 m each side"),
        Of(@"^\s*(\d{1,2})\s*x\s*300\s*(?:yds?|yards?|y)\s*shuttles?(?:\s+runs?)?", "300 yd shuttle x $1 ", "3 x 300yd shuttle, 3 min", "repeat shuttle 3 x 25 up + 25 back + 25 up + 25 back + 25 up + 25 back + 25 up + 25 back + 25 up + 25 back + 25 up + 25 yd back rest 3:00"),
        Of(@"^\s*(\d{1,2})\s*x\s*(\p{L}[\p{L}' -]*?)\s*\(\s*(\d{1,2})\s*(?:each|per|to\s+each)\s*(?:side|way|leg|direction)\s*\)", "", "4 x pro agility (2 each direction), 2 min rest", "five-ten-five 2 x 5 + turn 180 right + 10 + turn 180 left + 5 m each side rest 2:00") with { Make = m => Parsed(m.Groups[1].Value) == 2 * Parsed(m.Groups[3].Value) ? $"{m.Groups[2].Value} {m.Groups[3].Value} each side" : m.Value },
        Of(@"^(\s*)(\d{1,2})(\s*x\s*\d{1,3}\s*" + U + @"[^()]*?)\s*[,(]\s*(\d{1,2})\s*(?:x\s*)?(?:left|L)\s*(?:,|/|and|&|\+)\s*\4\s*(?:x\s*)?(?:right|R)\s*\)?", "", "4 x 20m 3-point starts (2 left, 2 right)", "2 x 20 m from 3-point each side") with { Make = m => Parsed(m.Groups[2].Value) == 2 * Parsed(m.Groups[4].Value) ? $"{m.Groups[4].Value}{m.Groups[3].Value} each side" : m.Value },
        Of(@"^\s*(?<n>\d{1,2}\s*x\s*)?(?<whole>\d{2,3})\s*(?<u>m|yd)\s*shuttles?(?:\s+runs?)?\s*\(\s*(?<a>\d{1,2})\s*(?:m|yd)\s*(?:out|there|up|down)[ -](?:and|&)[ -]back\s*\)", "", "6 x 40m shuttle (20m out-and-back), 30s rest", "repeat shuttle 6 x 20 up + 20 m back rest 0:30") with { Make = m => Parsed(m.Groups["whole"].Value) == 2 * Parsed(m.Groups["a"].Value) ? $"repeat shuttle {m.Groups["n"].Value}{m.Groups["a"].Value} up + {m.Groups["a"].Value} {m.Groups["u"].Value} back " : m.Value },
        Of(@"^\s*(\d{1,2})\s*x\s*(\d{2,3}\s*(?:m|yd)\s*shuttles?(?:\s+runs?)?\s*\(\s*\d{1,2}\s*(?:m|yd)?\s*x\s*\d{1,2}\s*(?:m|yd)?\s*\))", "$2 x $1", "5 x 150m shuttle (25m x 6), 90s", "repeat shuttle 5 x 25 up + 25 back + 25 up + 25 back + 25 up + 25 m back rest 1:30"),
        Of(@"^\s*(\d{1,2})\s*x\s*(\d{1,2})\s*(" + U + @")\s*(?:lateral\s+|side\s+)?(" + Strides + @")s?\s+(?:in)?to\s+(?:an?\s+)?(\d{1,2})\s*(" + U + @")\s*(?:sprint|dash|run|accel\p{L}*)", "$1 x $2 $4 + $5 $6 sprint", "6 x 10m lateral shuffle to 10m sprint", "6 x 10 shuffle + 10 m sprint"),
        Of(@"^\s*(\d{1,3}\s*(?:m|yd))\s*(?:sprint\s+|dash\s+)?(?:timed|time[ -]trials?|tests?|tt)\s*x\s*(\d{1,2})(?!\d)(?=\s*[,(]|\s+gates)", "$2 x $1 timed", "30m time trial x 3 (gates at 5, 10, 20, 30m)", "3 x 30 m gates 5,10,20,30 m log time"),
        Of(@"^\s*(?:sprint|run)\s+(\d{1,3}\s*(?:m|yd)?)\s*/\s*walk\s+\1\s*(?:back\s*)?x\s*(\d{1,2})(?!\d)", "$2 x $1 rest walk-back", "Sprint 20m / walk 20m x 8", "8 x 20 m rest walk-back"),

        // What is said before the work and is none of it.
        Of(@"^\s*(?:please\s+)?(?:(?:all\s+)?(?:athletes|players|everyone|everybody|each\s+(?:athlete|player))\s*(?:to\s+)?(?:runs?|does|do|sprints?|perform|complete)?|perform|complete|do|execute)\s*:?\s+(?=\d{1,2}\s*(?:x|sets?|reps?|block|runs?|sprints?)" + E + ")", "", "Perform 4 x 20 m", "4 x 20 m"),
        Of(@"^\s*(?:recovery|active\s+recovery|regeneration)\s*:\s*(?=\d{1,2}\s*min(?:ute)?s?\s+\p{L}|\p{L}{3})", "", "Recovery: 10 min easy bike", "steady bike 10 min"),
        Of(@"^\s*w\s*/?\s*u\s*[:-]?\s+(?=" + Time + @"\s*$)", "warm up ", "WU: 10 min", "raise 10 min"),
        Of(@"^\s*c\s*/?\s*d\s*[:-]?\s+(?=" + Time + @"\s*$)", "cool down ", "CD 5 min", "cool-down 5 min"),
        Of(@"^\s*[wc]\s*/\s*[ud]\s*[:-]?\s+(?=\d|\p{L})", "", "W/U 800 m jog", "800 m jog"),
        Of(@"^(\s*\p{L}[\p{L} ]*?)\s+-\s+(\d{1,3}\s*%\s*(?:bw|bm|body[ -]?(?:weight|mass)))\s+-\s+(?=\d{1,2}\s*x)", "$1 $2, ", "Sled sprints - 20% BW - 5 x 20 m", "5 x 20 m sled 20%bm"),
        Of(@"(?<=" + B + @"starts?)\s+(?:in)?to\s+(?:an?\s+)?(\d{1,3}\s*(?:m|yd))\s*(?:sprints?|dash|accel\p{L}*)?", " $1", "Kneeling start into 15m sprint x 4", "4 x 15 m from kneeling"),
        Of(@"^\s*(?:accel\p{L}*|sprints?|runs?)?\s*(?:sprints?\s*)?\(\s*(?<far>\d{1,3})\s*(?<u>m|yd)?(?:\s*[,/-]\s*(?<far>\d{1,3})\s*(?<u>m|yd)?){1,5}\s*\)\s*x\s*(?<n>\d{1,2})\s*(?:of\s+)?each", "", "Acceleration sprints (10, 20, 30 m) x 2 each", "2 x 10 m; 2 x 20 m; 2 x 30 m") with { Make = OfEach },
        Of(@"(?<=\d\s*(?:" + U + @"|%)[^;(]*)" + B + @"afap" + E, " full ", "2 x 30m AFAP", "2 x 30 m full"),
        Of(@"(?<=(?<![\d.])(\d{2,3})\s*m\s*(?:@\s*\d{2,3}\s*%\s*)?)\(\s*(\d{1,3}(?:\.\d{1,2})?)\s*s(?:ecs?)?\s*\)", "", "6 x 60 m @ 90% (7.5 s)", "6 x 60 m @90% in 7.5 s") with { Make = m => IsPace(m.Groups[1].Value, m.Groups[2].Value) && (Parsed(m.Groups[2].Value) < LeastRest || m.Groups[2].Value.Contains('.', StringComparison.Ordinal)) ? $" in {m.Groups[2].Value} s " : m.Value },

        Of(@"(?<=^(?=.*" + B + @"(?:box|hurdle|depth|drop)" + E + @").*)\(\s*(\d{1,2})\s*″\s*\)", " <$1 in> ", "Box jumps (24\") 4 x 3", "box jump 4 x 3 reps cue \"24 in\""),
        Of(@"^\s*(\d{1,2}\s*x\s*\d{1,3}\s*(?:m|yd))\s*((?:max(?:imum)?|top)[ -](?:velocity|speed))\s*(?:runs?|sprints?|efforts?)" + E, "$2 $1 ", "2 x 40m max velocity runs, 6 min", "2 x 30 build + 40 fly + 20 m slow rest 6:00"),
        Of(B + @"resisted\s*(?:sprints?|runs?|starts?)?([^()]*)\(\s*(band|chain|parachute|chute|partner)s?\s*\)", " $2 $1 ", "10m resisted starts x 6 (band)", "6 x 10 m band"),
        Of(@"(?<=^(?!\s*every)\s*\p{L}[\p{L}' -]*\s)for\s+(?=\d{1,3}\s*(?:" + U + "|" + T + "|reps))", "", "High knees for 20m x 2", "high knees 2 x 20 m"),
        Of(@"^\s*(bounding|bounds|hops|pogos)\s+(\d{1,2})\s*contacts\s*x\s*(\d{1,2})(?!\d)", "$1 $3 x $2 reps", "Bounding 5 contacts x 4", "alternate bound 4 x 5 reps"),
        Of(@"^\s*(" + Time + @")\s*(?:easy\s+)?(jog|skip|bike|row)\s+warm[ -]?up\s*$", "$2 $1", "5 minute jog warm-up", "easy jog 5 min"),
        Of(@"^\s*(\d{1,2})\s*reps\s+(?:of\s+)?(\p{L}[\p{L}' -]*?)\s*((?:@|at)\s*\d{1,3}(?:\.5)?\s*(?:kg|lb|%))?\s*x\s*(\d{1,2})\s*(?:sets?)?(?=\s*(?:$|,|rest))", "$2 $4 x $1 $3", "12 reps hip thrust @ 80kg x 3 sets", "hip thrust 3 x 12 reps 80 kg"),
        Of(@"^\s*(\d{1,2})\s*x\s*max\s+(\p{L}[\p{L}' -]*?)\s*$", "$2 $1 x max", "3 x max push-ups", "push-up 3 passes cue \"as many as can be done well\""),
        Of(@"(?<=\d.*),\s*best\s+(?:time|one|jump|attempt|effort)(?:\s+counts)?\s*$", " <best counts>", "30m sprint test x 3, best time", "3 x 30 m log time cue \"best counts\""),
        Of(@"^\s*(?<at>\d{1,2})\s*m(?:\s*/\s*(?<at>\d{1,3})\s*m){1,4}\s*splits\s*(?:x\s*(?<n>\d{1,2}))?", "", "10m/20m/30m splits x 3", "3 x 30 m gates 10,20,30 m") with { Make = m => $"{(m.Groups["n"].Success ? m.Groups["n"].Value + " x " : "")}{m.Groups["at"].Captures[^1].Value} m gates {string.Join(",", m.Groups["at"].Captures.Select(c => c.Value))}" },
        Of(@"^\s*(" + InLetters + @")\s+(?!point|pt|leg|step)(?=(?:\p{L}+[ -]){0,3}\p{L}+s\s+(?:of|over|at|x)\s*\d)", "", "Five hill sprints of 20m", "hill sprint 5 x 20 m") with { Make = m => Number(m.Groups[1].Value) + " " },

        Of(@"(?<=\d.*),\s*stick(?:\s+it)?\s*$", " <stick it>", "Deceleration 5 x 15m, stick", "stick the stop 5 x 15 m cue \"stick it\""),
        Of(@"^\s*(\d{1,2})\s*x\s*(\p{L}[\p{L}' -]*?)\s*(?:,|&|\+|and)\s*(\d{1,2})\s*x\s*(\p{L}[\p{L}' -]*?)\s*,\s*(\d{1,3}\s*(?:m|yd))(?:\s*each)?\s*$", "$2 $1 x $5; $4 $3 x $5", "3 x A-skip, 3 x B-skip, 20m", "A-skip 3 x 20 m; B-skip 3 x 20 m"),
        Of(@"(?<=^\s*\p{L}[\p{L}' -]*\s\d{1,2}(?:-\d{1,2})?\s*x\s*\d{1,2}(?:-\d{1,2})?),\s*(?=\d{2,3}(?:\.5)?(?:\s*-\s*\d{2,3})?\s*%)", " @", "Back squat 3 x 3, 85%, 3 min rest", "squat 3 x 3 reps 85% max rest 3:00"),
        Of(@"^\s*(\d{1,3}\s*s(?:ecs?)?)\s*on\s*[,/]?\s*(\d{1,3}\s*s(?:ecs?)?)\s*off\s*x\s*(\d{1,2})\s*,\s*([2-9])\s*sets(?:\s*,\s*(" + Clocked + @"))?\s*$", "", "20s on, 40s off x 8, 2 sets, 3 min", "2 x 8 x 20 s rest 0:40/3:00") with { Make = m => $"{m.Groups[4].Value} x {m.Groups[3].Value} x {m.Groups[1].Value} rest {m.Groups[2].Value}{(m.Groups[5].Success ? " andsets " + m.Groups[5].Value : "")}" },
        Of(@"^\s*(\p{L}[\p{L}' -]*?)\s+tests?\s*[:,]\s*(\d{1,2})\s*(?:attempts?|trials?|tries|jumps|throws|reps)\s*$", "$1 x $2", "Broad jump test: 3 attempts", "broad jump 3 reps"),
        Of(@"^\s*(" + People + @")\s*:\s*(?=\p{L}{3})([^:;]*\d[^:;]*)$", "$2 for $1", "Starters: easy jog 10 min", "easy jog 10 min for \"Starters\""),

        Of(@"^(\s*(?:mini[ -]?hurdles?|wickets?)(?:\s+runs?)?\s+\d{1,2}\s*(?:passes|runs|reps))\s*(?:@|at)\s*([12]\.\d{1,2})\s*m?(?=\s*(?:$|,))(.*)$", "", "Wickets 6 passes @ 1.9m, 2 min", "mini-hurdle run 6 passes rest 2:00 cue \"1.9 m apart\"") with { Make = m => $"{m.Groups[1].Value}{m.Groups[3].Value} <$2 m apart>" },
        Of(@"^\s*(heavy|light)\s+sled\s+march(?:es|ing)?\s*:?\s*(?=\d)", "sled march $1 ", "Heavy sled marches 4 x 15m, 2 min", "A-march 4 x 15 m sled heavy rest 2:00"),
        Of(@"^\s*leg\s+swings?\s*:\s*(\d{1,2})\s*(?:x\s*)?(?:front|forwards?)\s*(?:,|and|&)\s*(\d{1,2})\s*(?:x\s*)?(?:side(?:ways)?|lateral)(?:\s*,?\s*each(?:\s+(?:leg|side))?)?\s*$", "leg swing forwards $1; leg swing sideways $2", "Leg swings: 10 front, 10 side, each leg", "leg swing forwards 10 reps each side; leg swing sideways 10 reps each side"),
        Of(@"^\s*(" + People + @")\s+only\s*:\s*(?=\d)(.*)$", "", "Seniors only: 2 x 60m", "2 x 60 m for \"Seniors\"") with { Make = m => $"{RestSaid(m.Groups[2].Value)} for {m.Groups[1].Value}" },

        Of(B + @"(?:electronic|manual)(?:ly)?\s+(?=timed" + E + ")", "", "40m dash x 2, electronically timed, 6 min", "2 x 40 m rest 6:00 log time"),
        Of(@"(?<=\d.*)" + B + @",?\s*(?:time|clock)\s+(?:them\s+)?(?:all|both|each(?:\s+(?:one|run|rep))?|every\s+(?:one|run|rep))(?:\s+of\s+them)?\s*$", ", timed", "30m x 2 time both", "2 x 30 m log time"),
        Of(@"^\s*split(?:\s+times?|s)?\s+(?:at\s+)?((?:\d{1,2}\s*m?\s*[,/]\s*)+)(\d{1,3})\s*(m|yd)\s*(x\s*\d{1,2})?", "$2 $3 $4 gates $1$2 $3 timed ", "Split times at 5, 10, 20, 30m x 3", "3 x 30 m gates 5,10,20,30 m log time"),
        Of(@"^\s*tests?\s*:?\s*(\d{1,3})\s*(m|yd)?\s*(?:and|&|,|\+)\s*(\d{1,3})\s*(m|yd)\s*(x\s*\d{1,2})\s*$", "", "Test: 10m and 30m x 3", "3 x 10 m log time; 3 x 30 m log time") with { Make = m => $"{m.Groups[1].Value} {m.Groups[4].Value} {m.Groups[5].Value} timed; {m.Groups[3].Value} {m.Groups[4].Value} {m.Groups[5].Value} timed" },
        Of(@"^\s*sleds?\s*:?\s*(\d{1,2}\s*x\s*\d{1,3}\s*(?:m|yd))\s*(heavy|moderate|light)\s*,\s*(\d{1,2}\s*x\s*\d{1,3}\s*(?:m|yd))\s*(heavy|moderate|light|free|unloaded)(?:\s*,\s*(\d{1,2}\s*x\s*\d{1,3}\s*(?:m|yd))\s*(light|free|unloaded))?\s*$", "", "Sled 3 x 15m heavy, 3 x 20m light, 2 x 20m free", "3 x 15 m sled heavy; 3 x 20 m sled light; 2 x 20 m") with { Make = m => string.Join("; ", new[] { 1, 3, 5 }.Where(g => m.Groups[g].Success).Select(g => m.Groups[g].Value + (m.Groups[g + 1].Value.ToLowerInvariant() is "free" or "unloaded" ? "" : " sled " + m.Groups[g + 1].Value))) },
        Of(@"^\s*(?:mas\s*:?\s*)?(\d\d)\s*(?:s\s*)?[:/-]\s*(\d\d)\s*s?\s*,?\s*(\d)\s*x\s*(\d{1,2})\s*(?:minutes?|mins?|')\s*(?:(?:@|at)\s*(\d{2,3})\s*%)?(?:\s*mas)?(?:\s*,\s*(" + Clocked + @"))?\s*$", "", "MAS 15:15 2 x 6 min @ 110%, 3 min", "2 x 12 x 15 s 110% aerobic rest 0:15/3:00") with { Make = m => $"{OnOff(m.Groups[3].Value + " x", m.Groups[4].Value, m.Groups[1].Value, m.Groups[2].Value)}{(m.Groups[6].Success ? "andsets " + m.Groups[6].Value + " " : "")}{(m.Groups[5].Success ? $"@ {m.Groups[5].Value}% MAS" : "")}" },
        Of(@"(?<=\d.*),\s*(" + Times + @")\s*active\s*$", " rest $1 <active rest>", "4 x 4 min @ 90%, 3 min active", "4 x 4 min @90% rest 3:00 cue \"active rest\""),
        Of(@"^\s*(\p{L}[\p{L}' -]*?|5-10-5|505)\s*,?\s*(?:left\s*(?:and|&|/|\+)\s*right|L\s*(?:and|&|/|\+)\s*R|both\s+(?:sides|ways|directions))\s*x\s*(\d{1,2})(?!\s*(?:m|x|\d))", "$1 x $2 each side", "5-10-5 left and right x 3, 2 min", "five-ten-five 3 x 5 + turn 180 right + 10 + turn 180 left + 5 m each side rest 2:00"),
        Of(@"(?<=\d\s*%\s*)(?:,\s*)?jog\s+(\d{2,3})\s*m(?:\s*(?:rest|recovery|between))?\s*$", " <jog $1 m between> ", "6 x 150m @ 70% jog 50m", "6 x 150 m @70% cue \"jog 50 m between\""),
        Of(@"^\s*(?:progressive|progression)\s+(?:runs?\s+)?(\d0|1[0-5]0)s(?=\s*x\s*\d)", "build-up $1 m", "progressive 60s x 3", "build-up 3 x 60 m"),
        Of(@"^\s*(?:progressive|progression)\s+(?:runs?\s*|sprints?\s*)?:?\s*(?=\d{1,3}\s*(?:x|" + U + @"))|(?<=^\s*\d{1,2}\s*x\s+)progressive\s+(?=\d)|(?<=^\s*\d{1,3}\s*" + U + @"\s+)progressives?\s+(?=x\s*\d)", "build-up ", "60m progressive x 3", "build-up 3 x 60 m"),
        Of(@"(?<=x\s*\d{1,2})e(?=\s*(?:@|\d|,|bw" + E + "))", " each side ", "RFESS 3x6e 2x20kg", "rear-foot-elevated split squat 3 x 6 reps each side 2 x 20 kg"),
        Of(@"(?<=\p{L}\s+)(\d{1,2})\s*x(?=\s+(?:each|per)\s+(?:side|leg|way|direction|foot))", "x $1", "Pro agility 4x each side, 2 min", "five-ten-five 4 x 5 + turn 180 right + 10 + turn 180 left + 5 m each side rest 2:00"),
        Of(@"^\s*(10|15|20|30|40|45|60)\s*(?:s\s*)?[/-]\s*(10|15|20|30|40|45|60)\s*s?\s*x\s*(\d{1,2})\s*x\s*(\d{1,2})(?!\s*(?:" + U + @"|s|\d|\p{L}))", "", "30/30 x 2 x 8, 3 min", "2 x 8 x 30 s rest 0:30/3:00") with { Make = m => $"{Math.Min(Parsed(m.Groups[3].Value), Parsed(m.Groups[4].Value))} x {Math.Max(Parsed(m.Groups[3].Value), Parsed(m.Groups[4].Value))} x {m.Groups[1].Value}/{m.Groups[2].Value} " },
        Of(@"^\s*(foam\s+roll(?:ing|er)?|mobility|stretch(?:ing|es)?|massage|release)\s*(?:[:(-]|of|for|on)?\s*(?:the\s+)?(" + PartOfBody + @"(?:\s*(?:,|&|/|\+|\band\b)\s*(?:the\s+)?" + PartOfBody + @")*)\s*\)?\s*,?\s*(\d{1,2}\s*(?:minutes?|mins?|'))?\s*$", "", "Foam rolling quads, hams 5 min", "foam rolling 5 min cue \"quads, hams\"") with { Make = m => $"{m.Groups[1].Value} {m.Groups[3].Value} <{m.Groups[2].Value.Trim()}>" },
        Of(@"^\s*(?:easy\s+|steady\s+)?(?:(?:exercise|stationary|spin|air)\s+)?(?:bike|cycle|cycling|spin(?:ning)?)\s*(?:ride\s*)?(?:easy|steady|flush|recovery|spin)?\s*[:,-]?\s*(\d{1,2}(?:\s*-\s*\d{1,2})?\s*(?:minutes?|mins?|'))(?=\s*(?:$|easy|steady|light|,|for" + E + "))", "steady bike $1", "Bike flush 15 min", "steady bike 15 min"),
        Of(@"^\s*run(?:ning)?\s+(?:(easy|steady|slow(?:ly)?)\s+)?(?=\d{1,2}\s*(?:minutes?|mins?)" + E + @"\s*$)(.*)$", "$2 $1", "run steady 20 min", "20 min steady"),
        Of(@"^\s*hops?(?=\s*x\s*\d)", "single leg hops", "hop x 5 each", "single-leg hop for distance 5 reps each side"),
        Of(@"(?<=\d\s*" + U + @"\s*(?:,\s*)?)(?:from\s+)?(?:an?\s+|the\s+|one's\s+)?(?:(rolling(?!\s+start)|walk(?:ing)?[ -]?in|jog(?:ging)?[ -]?in)|(floor|ground|belly|stomach)|(one\s+knee)|((?<=from\s+(?:(?:the|your)\s+)?)back|on\s+(?:(?:the|your)\s+)?back|supine|face\s+up)|(seated|sitting)|(drop[ -]?in)|(lying|face\s+down)|((?:split|staggered)(?:\s+stance)?|stagger)|(crouch(?:ed)?))(?:\s+(?:starts?|position))?(?=\s*(?:$|,|rest|\d+\s*" + T + @"|\d+\s*['""]))", "", "4 x 10 m, seated start", "seated start 4 x 10 m") with { Make = FromWhere },
        Of(@"^\s*(\p{L}[\p{L}' -]*?)\s*[,:]?\s*(?:to\s+failure|amrap|max(?:imum)?(?:\s+reps)?|as\s+many\s+as\s+(?:possible|you\s+can))\s*$", "", "pull-ups to failure", "pull-up 1 passes cue \"as many as can be done well\"") with { Make = AsManyAsThereAre },
        Of(@"^\s*(?:(\p{L}[\p{L}' -]*?)\s+tests?|tests?\s*:?\s+(\p{L}[\p{L}' -]*?))\s*$", "", "broad jump test", "broad jump 3 reps") with { Make = ThreeAttempts },
        Of(@"^\s*(?:test\s+)?(?:(\p{L}[\p{L}' -]*?)\s*[,:]?\s*(?:(?:up\s+|build\s+)?to\s+(?:an?\s+)?)?(?:1\s*rm|(?:heavy\s+)?single|max)(?:\s+test(?:ing)?)?|1\s*rm\s+(\p{L}[\p{L}' -]*?)(?:\s+test(?:ing)?)?)\s*$", "", "squat to 1RM", "squat 1 reps cue \"work up to a maximum\"") with { Make = UpToAMaximum },
        Of(@"^\s*((?:\d{1,2}\s*x\s*)?fly(?:ing)?\s*\d{1,2}s?(?:\s*" + U + @")?)\s+tests?(?:\s*(x\s*\d{1,2}))?\s*$", "$1 $2 log time", "Flying 30 test", "1 x 30 build + 30 fly + 20 m slow log time"),
        Of(@"^\s*((?:(?:[1-9]\d0|[5-9]0)\s*m?\s*[,/]\s*){1,4}(?:[1-9]\d0|[5-9]0)|(?:\d{1,3}\s*m?\s*,\s*){1,4}\d{1,3}(?=\s*m))\s*m?(?:\s*,)?\s+(full|walk[ -]?back|" + Clocked + @")(?:\s+(?:rest|recovery))?\s*$", "", "150, 120, 90 full rest", "150 m rest 1:00/10 m; 120 m rest 1:00/10 m; 90 m rest 1:00/10 m") with { Make = m => string.Join("; ", m.Groups[1].Value.Split([',', '/', '-']).Select(l => $"{l.Trim(' ', 'm', 'M')} m rest {m.Groups[2].Value}")) },
        Of(@"\(\s*(?:run[ -]?(?:in|up)|build(?:[ -]?up)?|lead[ -]?in|approach)\s*:?\s*(\d{1,2}\s*(?:m|yd))\s*\)", " with $1 run-in ", "4 x flying 20m (run-in 30m)", "4 x 30 build + 20 m fly"),
        Of(@"^\s*cuts?\s+(45|90)\s*x\s*(\d{1,2})\s*(?:each|per)\s*(?:side|way)\s*,\s*(" + Clocked + @")\s*$", "$1 cut x $2 each side rest $3", "Cut 90 x 4 each side, 60 s", "cut ninety 4 x 8 + cut 90 + 8 m each side rest 1:00"),

        // Lists and rests.
        Of(@";\s*(?=" + Times + @"\s*(?:between|rest|after|$))", ", ", "4 x 20m, walk back; 3 min between sets", "4 x 20 m rest walk-back/3:00"),
        Of(@"^\s*(\d)\s*x\s*(\d{1,2})\s*min(?:ute)?s?\s*(?:@|of|:)?\s*(10|15|20|30)\s*s?\s*[/-]\s*(10|15|20|30|45|60)\s*s?\s*\(\s*(\d{2,3})\s*%\s*(?:mas|aerobic)\s*\)(?:\s*,\s*(" + Clocked + @"))?\s*$", "", "3 x 6 min @ 15s/15s (100% MAS), 3 min", "3 x 12 x 15 s 100% aerobic rest 0:15/3:00") with { Make = m => $"{OnOff(m.Groups[1].Value + " x", m.Groups[2].Value, m.Groups[3].Value, m.Groups[4].Value)}{(m.Groups[6].Success ? "andsets " + m.Groups[6].Value + " " : "")}@ {m.Groups[5].Value}% MAS" },

        // How, and from what.
        Of(@"(?<=" + Time + @"\s*)(?:easy\s+|steady\s+)?(zone\s*[1-5]|z[1-5])\s+(?:easy\s+)?(?:runs?|running)\s*$", " <$1>", "20 min zone 2 run", "20 min cue \"zone 2\""),
        Of(@"(?:with|w/)\s*(?:an?\s+)?(?:mini|resistance|power|super)[ -]?bands?(?:\s+round\s+the\s+(?:knees|ankles|waist))?" + E, " band ", "3 x 30m with mini-band", "3 x 30 m band"),
        Of(@"\bfrom\s+tall[ -]kneeling" + E, "from kneeling <tall>", "4 x 20m from tall kneeling", "4 x 20 m from kneeling cue \"tall\""),
        Of(@"(?<=\d\s*" + U + @"\s*)sprints?\s+(?:to|into|and|then)\s+(?:an?\s+)?stick" + E, "sprint and stop", "4 x 10m sprint to stick", "stick the stop 4 x 10 m"),
        Of(@"(?<=\d.*)(?:,\s*|\s+)alternat(?:e|ing)\s+(?:starting\s+|start\s+)?(directions?|ways?|starts?)\s*$", " <alternate $1>", "6 x 5-10-5, alternate starting direction", "five-ten-five 6 x 5 + turn 180 right + 10 + turn 180 left + 5 m cue \"alternate direction\""),
    ];

    private const string PartOfBody = @"(?:hips?|hip\s+flexors?|ankles?|ham(?:string)?s?|hammies|quads?|calf|calves|glutes?|groins?|adductors?|abductors?|shoulders?|(?:lower|upper|mid)?\s*back|t[ -]spine|thoracic(?:\s+spine)?|spine|itb?|it\s+bands?|feet|foot|neck|pecs?|chest|lats?|shins?|knees?|achilles|legs?|soleus|wrists?)";

    // Where a run starts from, said behind its length.
    private static string FromWhere(Match match) =>
        " from " + (Array.FindIndex(match.Groups.Values.Skip(1).ToArray(), g => g.Success) switch { 0 => "rolling", 1 or 6 => "lying", 2 => "kneeling", 3 => "back", 4 => "seated", 5 => "falling", 7 => "split stance", _ => "a crouch" }) + " ";

    // A lift is worked up to its maximum; what the body alone is lifted in goes on as long as it is done well, and a hold is asked for its time.
    private static string AsManyAsThereAre(Match match) =>
        ExerciseCatalogue.BuiltIn.Find(match.Groups[1].Value.Trim()) switch
        {
            { Counted: CountedIn.Reps, Does: Motion.Lift, Props.Count: > 0 } => UpToAMaximum(match),
            { Counted: CountedIn.Reps } => $"{match.Groups[1].Value} 1 passes <as many as can be done well>",
            { Does: Motion.Hold, Counted: CountedIn.Seconds } => $"{match.Groups[1].Value} <as long as it is held well>",
            _ => match.Value,
        };

    // Jumped or thrown for distance or height, a test is three attempts, common practice; what is known as a test keeps its own.
    private static string ThreeAttempts(Match match)
    {
        var name = (match.Groups[1].Success ? match.Groups[1] : match.Groups[2]).Value.Trim();
        return ExerciseCatalogue.BuiltIn.Find(name) is { Does: Motion.Jump or Motion.Throw, Counted: CountedIn.Reps } known && (ExerciseCatalogue.BuiltIn.Find(name + " test") ?? known) == known ? $"{name} 3 reps" : match.Value;
    }

    private static string UpToAMaximum(Match match)
    {
        var name = (match.Groups[1].Success ? match.Groups[1] : match.Groups[2]).Value.Trim();
        return ExerciseCatalogue.BuiltIn.Find(name) is { Does: Motion.Lift, Counted: CountedIn.Reps } ? $"{name} 1 reps <work up to a maximum>" : match.Value;
    }
}
