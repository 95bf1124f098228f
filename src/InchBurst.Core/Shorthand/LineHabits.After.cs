namespace InchBurst.Core.Shorthand;

/// <summary>The habits that come once names are known.</summary>
public static partial class LineHabits
{
    /// <summary>Habits around the names of exercises, once those are known.</summary>
    internal static IReadOnlyList<Habit> AfterNames { get; } =
    [
        // A test of something is that, and its time or length is logged by what it is.
        Of("(" + Name + @")\s*,?\s*(?:tests?|testing)" + E, "$1", "Illinois test x 2", "illinois run 2 x 10 + turn 180 + 10 + turn 180 + 10 + turn 180 + 10 + turn 180 + 10 + turn 180 + 10 m"),

        Of("(" + Name + @")\s*:\s*(?=\d|from" + E + ")", "$1 ", "speed endurance: 3 x 120m @ 95%, 10 min", "speed endurance run 3 x 120 m @95% rest 10:00"),

        Of(@"(from\s+[\w-]+)\s*:\s*(?=\d)", "$1 ", "3pt starts: 4x10m, 1'30", "4 x 10 m from 3-point rest 1:30"),

        // Sides.
        Of(@"(?:" + B + @"(?:on\s+)?(?:each|per|a|ea\.?|every|both|either)\s+|/\s*)(?:sides?|legs?|arms?|ways?|foot|feet|directions?)" + E, " each side ", "leg swings 12 each leg", "leg swing forwards 1 x 12 reps each side"),
        Of(B + @"(?:l\s*[/&+]\s*r|r\s*[/&+]\s*l|left\s*(?:and|&|/|\+)\s*right|right\s*(?:and|&|/|\+)\s*left|l\s+and\s+r|(?:(?<=\d\s*(?:(?:" + T + "|" + U + @")\s*)?)|(?<=\d\s+" + Name + @"\s*))(?:each|ea\.?)(?=\s*(?:$|,|;|@|rest|x\s*\d|\d{2,3}\s*cm|with|w/|(?:2\s*x\s*)?\d+(?:\.\d+)?\s*(?:kg|lb))))" + E, " each side ", "4x20m l/r", "4 x 20 m each side"),

        Of(@"(?<=" + Name + @"[^;]*\d\s*(?:reps\s*)?)" + B + @"(?:single|one)[ -]leg(?:ged)?\s*$", " each side", "calf raises 3x15 single leg", "calf raise 3 x 15 reps each side"),
        Of("(" + Name + @")\s*(?:x\s*)?(" + D + @"\s*(?:" + T + @")?)\s*each side\s*x\s*(" + Count + @")(?!\s*(?:" + U + "|" + T + "))", "$1 $3 x $2 each side", "side planks 30s each x 2", "side plank 2 x 30 s each side"),
        Of("(" + Name + @")\s*each side\s*x\s*(" + Count + @")(?!\s*(?:x|" + U + "|" + T + "))", "$1 usual $2 each side", "505 L & R x 2", "ten-and-back 2 x 5 + turn 180 + 5 m each side"),
        Of("(" + Count + @")\s*x\s*each side", "$1 each side", "45 cut 5 x each side", "cut forty-five 5 x 8 + cut 45 + 8 m each side"),
        Of("(" + Count + @")\s*each side\s*(?:x|of|,|for)?\s*(?=" + D + @"\s*" + U + ")", " each side $1 x ", "half kneeling start 3 each side 10 m", "half-kneeling start 3 x 10 m each side"),

        // For whom.
        Of(@"(?<!for\s+)" + B + @"(low|high)[ -]minutes?(?:\s+(?:group|players|only))?" + E, " for $1 minutes ", "4 x 20 m low minutes group", "4 x 20 m for low minutes"),

        // Loads.
        Of(B + @"(?:overspeed|assisted)(?:\s+(?:runs?|sprints?|starts?|bands?|tow(?:s|ed|ing)?(?:\s+(?:runs?|sprints?))?))?" + E, " tow ", "overspeed 3 x 30 m", "3 x 30 m tow"),
        Of(@"(" + D + @")\s*(?:kgs|kilos?|kilograms?)" + E, "$1 kg", "squat 4 x 3 100 kilos", "squat 4 x 3 100 kg"),
        Of(@"(" + D + @")\s*(?:lbs|pounds?)" + E, "$1 lb", "squats 4x3 225 lbs", "squat 4 x 3 225 lb"),
        Of(B + @"(?:with|w/|using)?\s*(?:an?\s+)?(?:pair\s+of\s+)?(?:dumb\s?bells?|dbs?|kettle\s?bells?|kbs?)\s*(?:of\s*|@\s*|at\s*)?(2\s*x\s*" + One + @"\s*(?:kg|lb))s?" + E, " $1 ", "split squat 3 x 8 dumbbells 2 x 20 kg", "split squat 3 x 8 reps 2 x 20 kg"),
        Of(B + @"(?:with|w/|using)?\s*(?:an?\s+)?(?:pair\s+of\s+)?(2\s*x\s*" + One + @"\s*(?:kg|lb))s?\s*(?:dumb\s?bells?|dbs?|kettle\s?bells?|kbs?)" + E, " $1 ", "reverse lunges 3 x 8 with 2 x 16 kg dumbbells", "reverse lunge 3 x 8 reps 2 x 16 kg"),
        Of(B + @"(?:with|w/|using)?\s*(?<!x\s*)(" + One + @")\s*(kg|lb)s?\s*(?:dumb\s?bells|dbs|kettle\s?bells|kbs)" + E, " 2 x $1 $2 ", "step ups 3x8 w/ 20kg dumbbells", "step-up 3 x 8 reps 2 x 20 kg"),
        Of(B + @"(?:with|w/|using)?\s*(?:an?\s+)?(" + One + @")\s*(kg|lb)s?\s*(?:dumb\s?bell|db|kettle\s?bell|kb|plate|bar|barbell)" + E, " $1 $2 ", "goblet squat 3 x 10 24 kg kettlebell", "goblet squat 3 x 10 reps 24 kg"),
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
        Of(B + @"on\s+(?:the\s+|my\s+|an?\s+)?(grass|track|turf|sand|carpet|road|court|clap|whistle|call|command|signal|beep|gun|go|sound)" + E, " <on $1> ", "6 x 80 m on grass", "6 x 80 m cue \"on grass\""),
        Of(B + @"rpe\s*(\d{1,2}(?:\.5)?(?:\s*-\s*\d{1,2})?)(?![\d.])", " <RPE $1> ", "squat 4 x 5 @ 100kg RPE 8", "squat 4 x 5 reps 100 kg cue \"RPE 8\""),
        Of(@"(?<=" + Name + @"\s*)(?:iso(?:metric)?(?:\s+holds?)?)(?=\s*(?:x\s*)?\d)", " <held still> ", "bridge iso 3x30s", "hip bridge 3 x 30 s cue \"held still\""),
        Of("(" + Name + @")\s*(?:(?:work(?:ing)?\s+)?up\s+to|build(?:ing)?\s+to)?\s*(?:an?\s+)?(\d{1,2})\s*rm(?:\s*x\s*(\d))?(?![\p{L}\d])", "", "squat 5RM", "squat 5 reps cue \"5RM\"") with { Make = m => $"$1 {(m.Groups[3].Success ? m.Groups[3].Value : "1")} x $2 reps <$2RM> " },
        Of(B + "(eccentric|controlled)" + E, " <$1> ", "squat 3 x 5 controlled", "squat 3 x 5 reps cue \"controlled\""),
        Of(B + "explosive(?:ly)?" + E, " <explosive> ", "squat 3 x 5 explosively", "squat 3 x 5 reps cue \"explosive\""),
        Of(B + @"(?:stick|hold)\s+(?:the\s+|each\s+|every\s+)?landings?" + E, " <stick the landing> ", "broad jumps 4x3, stick landing", "broad jump 4 x 3 reps cue \"stick the landing\""),
        Of("(?<=" + Name + @")\s*(?:straight\s+)?(?:into|to)\s+(?:an?\s+)?(?:sprints?|acceleration|run)" + E, " <into a sprint> ", "high knees into sprint 4x20m", "high knees 4 x 20 m cue \"into a sprint\""),
        Of("(?<=" + Name + @")\s+drills?" + E, " ", "fast leg drill 2x20m each leg", "leg circle run 2 x 20 m each side"),
        Of("(?<=" + Name + @")\s*(?:to|into)\s+(?:an?\s+)?(?:full\s+|complete\s+|dead\s+)?(?:stop|stick)" + E, " ", "deceleration to stop 6 x 15 m", "stick the stop 6 x 15 m"),
        Of(B + @"(?:laser|electronic(?:ally)?)(?:[ -](?:timed|timing|times?))?" + E, " timed ", "5 x 30 m laser timed", "5 x 30 m log time"),
        Of("(" + Name + @")\s*(?:from\s+|off\s+|onto?\s+|at\s+)?(\d{2,3}\s*cm)\s*x\s*(\d{1,2})\s*x\s*(\d{1,2})(?!\d)", "$1 $3 x $4 $2 ", "drop jump 30cm x 4 x 3", "depth jump 4 x 3 reps cue \"30 cm\""),
        Of("(" + Name + @")\s*(?:from\s+|off\s+|onto?\s+|at\s+|over\s+)?(?:an?\s+)?(\d{2,3}\s*cm)(?:\s*(?:box|hurdles?))?\s*x\s*(\d{1,2})(?!\d|\s*x)", "$1 x $3 $2 ", "depth drop 50cm x 5", "depth drop 5 reps cue \"50 cm\""),
        Of("(" + Name + @")\s*(\d{1,2})\s*(?:reps?\s*)?(?:@|at)\s*(\d{1,3}(?:\.\d)?\s*(?:kgs?|lbs?|%))\s*x\s*(\d{1,2})(?!\d)", "$1 $4 x $2 @ $3 ", "deadlift 3@140kg x 3", "deadlift 3 x 3 reps 140 kg"),
        Of(@"(?<=\d\s*" + U + @"\s*),?\s*(?:on\s+)?(grass|track|turf|sand|road)(?=\s*(?:$|,|@|rest))", " <on $1> ", "8x100m grass, 60 sec", "8 x 100 m rest 1:00 cue \"on grass\""),
        Of(@"(?:@|" + B + @"(?:at|from|off|on|onto|over))?\s*(?:an?\s+)?(?<![\d.])(\d{2,3})\s*(?:cms?|centimet(?:re|er)s?)" + E + @"(?:\s*(?:box(?:es)?|hurdles?|steps?|high|drop))?", " $1 cm ", "box jump 4 x 4 50 cm box", "box jump 4 x 4 reps cue \"50 cm\""),
        Of(B + @"(?:in\s+)?groups?\s+of\s+(\d{1,2}|two|three|four|five|six)" + E, " <in groups of $1> ", "4 x 30 m groups of 4", "4 x 30 m cue \"in groups of 4\""),

        // Gates and what is written down.
        Of(B + @"(?:with\s+)?(?:timed|times?|splits?|timing(?:\s*gates?)?|gates?)\s*(?:at\s*)?(?:every|each|per)\s*(?=\d)", " gates every ", "5 x 30 m timed every 10", "5 x 30 m gates 10,20,30"),
        Of(B + @"(?:with\s+)?(?:timed|(?<!\d\s*)times?|splits?|timing(?:\s*gates?)?|timing lights?|beams?|marks?|gates?)\s*(?:at|on|:|of|@)?\s*(?=\d)(?!\d+\s*x)", " gates ", "3 x 40m timed at 10, 20, 40", "3 x 40 m gates 10,20,40"),
        Of(@"(?<=gates\s[\d.,/&\s]*(?:(?:m|yd)\s*)?)(?<=\d\s*(?:m|yd)?)\s*(?:/|&|and|then)\s*(?=\d)", ",", "20m gates 5/10/20", "20 m gates 5,10,20"),
        Of(B + @"(?:timed|time it|for time|clocked|on the clock|time them)" + E, " log time ", "3 x 30 m timed", "3 x 30 m log time"),

        Of(B + @"at\s*(?=" + D + @"\s*(?:kg|lb)" + E + ")", "", "squat 3 x 5 at 80kg", "squat 3 x 5 80 kg"),

        Of("(" + Name + @")\s+(?:to|over)\s+(?=" + D + @"\s*" + U + ")", "$1 ", "5 block starts to 20 m", "block start 5 x 20 m"),
        Of("(" + Name + @")\s*x\s*(" + Count + @")\s*x\s*(" + Count + @")(?!\s*(?:" + U + "|" + T + "))", "$1 $3 x $2 ", "pogo x20 x3", "pogo hops 3 x 20 reps"),

        // Sets and reps.
        Of("(" + Name + @")\s*(?:x\s*)?(" + Count + @")\s*(?:passes|pass|reps?|runs?|times|goes)\s+(\d+\s*(?:minutes?|mins?|min)|\d{1,2}:[0-5]\d)\s*$", " $1 usual $2 rest $3", "pro-agility 4 reps 3 min", "five-ten-five 4 x 5 + turn 180 right + 10 + turn 180 left + 5 m rest 3:00"),
        Of("(" + Name + @")\s*(?:x\s*)?(" + Count + @")\s*(?:passes|pass|reps?|jumps|hops|contacts|throws|runs?|times|goes|rounds?)?\s*(?<=\d|\p{L})\s*,\s*(\d+\s*(?:minutes?|mins?|min)|\d{1,2}:[0-5]\d)\s*$", " $1 usual $2 rest $3", "mini hurdles 6 runs, 2 min", "mini-hurdle run 6 passes rest 2:00"),
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
        Of("(" + Chain + @")\s*,?\s*(?<!x\s*\d{1,3}\s*" + U + @"\s*,?\s*)(" + Count + @")\s*(?:reps?|times|sprints?|runs?)\s*(?=$|,|rest|@|from)", "$2 x $1 ", "20m, 6 reps", "6 x 20 m"),
        Of(B + "(" + Count + @")\s*x?\s*" + Runs + @"\s*(?:of|x|at|over|,|@)?\s*(?=" + D + @"\s*(?:" + U + "|" + T + "))", " $1 x ", "5 reps of 25 m", "5 x 25 m"),
        Of(B + "(" + Count + @")\s*" + Runs + @"\s*(?:of|x)\s*(?=\d)", " $1 x ", "6 sprints of 20", "6 x 20 m"),
        Of(B + "(" + Count + @")\s*(?:reps?|passes|pass|goes|times|rounds?)\s*(?:of|x)\s*(" + Name + ")", " $2 usual $1 ", "4 reps of A-skip", "A-skip 4 x 15 m"),
        Of(@"^\s*(" + Count + @")\s*(?:x|of)?\s*(" + Name + @")\s*(?:of|for|x|,|over)?\s*(?=" + D + @"\s*(?:" + U + "|" + T + "))", " $2 $1 x ", "4 build ups 40 m", "build-up 4 x 40 m"),
        Of(@"^\s*(" + Count + @")\s*(?:x|of)?\s*(" + Name + @")(?!\s*(?:x\s*)?\d)", " $2 usual $1 ", "4 build ups", "build-up 4 x 30 m"),
        Of("((?:" + Chain + "|" + D + @"\s*" + T + @"))\s*((?:(?:sled|chain|band|vest|partner)\s*)?" + Name + @"|sled|chain|band|vest|uphill|downhill|tow|parachute|partner|each side)\s*x\s*(" + Count + @")(?!\s*(?:" + U + "|" + T + "|x))", "$3 x $1 $2 ", "20m sled x 4", "4 x 20 m sled"),
        Of("(" + Name + @")\s*(?:x\s*)?(" + Count + @")\s*(?:runs?|times|goes|rounds?)\s*(?=$|,|rest|each side)", " $1 usual $2 ", "mini hurdles x 6 runs", "mini-hurdle run 6 passes"),
        Of("(" + Name + @")\s*(?:x\s*)?(" + Count + @")\s*(passes|pass|reps?|jumps|hops|contacts|throws)" + E, " $1 $2 $3 ", "mini hurdles x 6 passes", "mini-hurdle run 6 passes"),
        Of(@"^\s*(" + Count + @")\s*(?:starts?|sprints?|runs?|accels?)\s*(from\s+[\w-]+)\s+(" + D + @"\s*" + U + ")", " $1 x $3 $2 ", "6 starts from 3-point 10 m", "6 x 10 m from 3-point"),
        Of(@"(from\s+[\w-]+)\s*x\s*(" + Count + @")\s*,?\s*(?=" + D + @"\s*" + U + ")", " $1 $2 x ", "3 point starts x 4 15m", "4 x 15 m from 3-point"),
        Of("(" + Name + @")\s*x\s*(" + Count + @")\s*,\s*(" + Time + @")(?=\s*(?:$|,))", " $1 timesthen $2 $3", "suicides x 3, 90s", "line shuttle 3 x 5 up + 5 back + 10 up + 10 back + 15 up + 15 back + 20 up + 20 m back rest 1:30"),
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
        Of(@"(" + D + @")\s*(" + U + @")\s*(?:flyings?|flys|flies|fly)(?:\s*(?:sprints?|runs?|zone))?((?:\s*x\s*\d+)?)\s*(?:with|w/|off|from|after|,)\s*(?:an?\s+)?(" + D + @")\s*(" + U + @")?\s*(?:run[- ]?in|build(?:[- ]?up)?|lead[- ]?in|run[- ]?up|acceleration|approach|rolling(?: start)?)" + E, " $4 $5 build + $1 $2 fly $3 ", "20m flying w/ 30m run-in", "30 build + 20 m fly"),
        Of(B + @"(?:flyings?|flys|flies|fly)\s*(" + D + @")\s*s?\s*(" + U + @")?((?:\s*x\s*\d+)?)\s*(?:with|w/|off|from|after|,|\s)\s*(?:an?\s+)?(" + D + @")\s*(" + U + @")?\s*(?:run[- ]?in|build(?:[- ]?up)?|lead[- ]?in|run[- ]?up|acceleration|approach|rolling(?: start)?)" + E, " $4 $5 build + $1 $2 fly $3 ", "fly 20 x 3 with 30 build", "3 x 30 build + 20 m fly"),
        Of(@"(?<!\+\s*)(?<!build\s*,?\s*(?:then|and|into)?\s*)(?<![\d.])((?:10|[1-9])(?:\.\d+)?)\s*(" + U + @")\s*(?:flyings?|flys|flies|fly)" + E + @"(?:\s*(?:sprints?|runs?|zone)" + E + @")?(?!\s*(?:\+|\d|,\s*\d))", " 20 build + $1 fly + 20 $2 slow ", "3 x 10 m fly", "3 x 20 build + 10 fly + 20 m slow"),
        Of(@"(?<!\+\s*)(?<!build\s*,?\s*(?:then|and|into)?\s*)(?<![\d.])(" + D + @")\s*(" + U + @")\s*(?:flyings?|flys|flies|fly)" + E + @"(?:\s*(?:sprints?|runs?|zone)" + E + @")?(?!\s*(?:\+|\d|,\s*\d))", " 30 build + $1 fly + 20 $2 slow ", "3 x 20 m fly", "3 x 30 build + 20 fly + 20 m slow"),
        Of(NoNumberBefore + @"(?:flyings?|flys|flies|fly)\s*((?:10|[1-9])(?![\d.]))\s*(" + U + @")(?!.*\+)", " 20 build + $1 fly + 20 $2 slow ", "3 x fly 10 yd", "3 x 20 build + 10 fly + 20 yd slow"),
        Of(NoNumberBefore + @"(?:flyings?|flys|flies|fly)\s*((?:10|[1-9])(?![\d.]|\s*-\s*\d))\s*s?" + E + @"(?!.*\+)", " 20 build + $1 fly + 20 slow ", "flying 10s x 3", "3 x 20 build + 10 fly + 20 m slow"),
        Of(NoNumberBefore + @"(?:flyings?|flys|flies|fly)\s*(" + D + @")\s*(" + U + @")(?!.*\+)", " 30 build + $1 fly + 20 $2 slow ", "3 x fly 20 yd", "3 x 30 build + 20 fly + 20 yd slow"),
        Of(NoNumberBefore + @"(?:flyings?|flys|flies|fly)\s*(" + D + @")\s*s?" + E + @"(?!.*\+)", " 30 build + $1 fly + 20 slow ", "flying 20s x 3", "3 x 30 build + 20 fly + 20 m slow"),

        // Stretches with words for what they are for, and without a plus between.
        Of(@"(" + D + @"\s*(?:" + U + @")?)\s*(?:run[- ]?in|build(?:ing)?[- ]?up|lead[- ]?in|run[- ]?up|accel(?:eration|erate|erating)?)" + E, "$1 build", "3 x 20 m run-in + 10 m fly", "3 x 20 build + 10 m fly"),
        Of(@"(" + D + @"\s*(?:" + U + @")?)\s*(?:flying|zone|fly zone|flat out zone)" + E, "$1 fly", "3 x 20 m build + 10 m zone", "3 x 20 build + 10 m fly"),
        Of("(" + Stretch + @")\s*(?:,|then|and|into|/|->|>)?\s*(?=" + D + @"\s*(?:" + U + @")?\s*(?:build|fly|fast|float|slow|up|back)" + E + ")", "$1 + ", "3 x 10 fast 10 float 10 fast", "3 x 10 fast + 10 float + 10 m fast"),
        Of(@"(?<=\d\s*(?:min(?:ute)?s?|:[0-5]\d)\s+(?:(?:easy|steady|brisk)\s+)?)(?:run|running)" + E, "", "12 min easy run", "easy jog 12 min"),
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
        Of(@"(?<=x\s*" + D + @"\s*(?:" + U + "|" + T + @")\s*(?:,|/|hard|on)?\s*)(" + Time + @")\s*(?:off|easy)" + E, " rest $1 ", "bike 6x10s 50s off", "bike intervals 6 x 10 s rest 0:50"),
        Of(@"^\s*(?!90\s*/\s*90\s*x)(\d\d)\s*/\s*(\d\d)\s*(?:s" + E + @")?\s*x\s*(" + Count + ")", " $3 x $1 s rest $2 s ", "30/30 x 8", "8 x 30 s rest 0:30"),
        Of(@"(" + Count + @"\s*x\s*)(" + D + @")\s*/\s*(" + D + @")\s*(seconds?|secs?|s|minutes?|mins?|min)" + E, "$1$2 $4 rest $3 $4", "10 x 15/15 s", "10 x 15 s rest 0:15"),
        Of(B + @"(?:rest\s*|r\s*)?(?:work[ /:-]*rest|w:r|ratio)?\s*(?:of\s*)?(?<![\d:])(\d):(\d)(?![\d:])(?:\s*(?:work[ /:-]*rest|ratio|rest))?", " rest $1 to $2 ", "8 x 30 s 1:1", "8 x 30 s rest 0:30"),

        Of(@"(?<=\d\s*x\s*\d{1,3}\s*)(?:steps|contacts|touches|bounces)" + E, " reps ", "pogo hops 3 x 20 contacts", "pogo hops 3 x 20 reps"),

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
        Of(@"(?<=\d\s*x\s*" + D + @"\s+)(" + D + @")\s*%(?!\s*(?:bm|v|max|aerobic|grade|slope)" + E + @"|\s*[,/])", " @$1% ", "front squat 4x4 75-80%", "front squat 4 x 4 reps 75-80% max"),
        Of(@"(?<![@.+-]\s*)(?<!\d\s*)(?<!(?<!x\s*\d{0,2})\d\s*,\s*)(?<!(?:to|uphill|downhill|tow|sled|chain|vest)\s*)" + B + @"((?:" + D + @"\s*(?:,|-|to)\s*)*" + D + @")\s*%(?!\s*(?:bm|v|max|aerobic|grade|slope)" + E + @")(?:\s*(?:effort|speed|pace|intensity|of top speed)" + E + ")?", " @$1% ", "4 x 50 m 85% effort", "4 x 50 m @85%"),
        Of(@"(@[\d.,\s-]+%)\s*(?:effort|speed|pace|intensity|of top speed)" + E, "$1 ", "4 x 50 m @85% pace", "4 x 50 m @85%"),
        Of(@"(?<=^(?!.*(?:timed|times?|gates?|splits?|marks?|beams?)\s*(?:at|on)).*\d\s*(?:" + U + @"|x\s*\d{1,3})\s*,?\s*)" + B + @"(?:at|@)\s*(100|[5-9]\d)(?=\s*(?:$|,|;|-|rest" + E + @"|w/|with|walk|\d))(?!\s*(?:kg|lb|cm|%|" + U + "|" + T + @")|\s*(?:-|,|to)\s*\d+\s*(?:kg|lb|%|,|" + U + @"))(?:\s+-\s+(?=\d))?", " @$1% ", "60m x 3 at 90, 6 mins rest", "3 x 60 m @90% rest 6:00"),
        Of(B + @"(?:at\s+)?(?:3/4|three[ -]quarters?)\s*(?:of\s+)?(?:pace|speed|effort|rhythm)?" + E, " @75% ", "6 x 60 m 3/4 pace", "6 x 60 m @75%"),
        Of(B + @"(?:at\s+)?(?:1/2|half)\s*(?:pace|speed|effort|rhythm)" + E, " @50% ", "4 x 60 m half speed", "4 x 60 m @50%"),
        Of(@"(?<!%\s*)" + B + @"(?:(?:at|@)\s*)?(?:all[ -]?out|flat[ -]?out|as fast as (?:possible|you can)|max(?:imal|imum)?(?:\s*(?:effort|speed|intensity))?|full\s*(?:effort|speed|gas|pace|intensity)|top speed)" + E, " full ", "4 x 20 m all out", "4 x 20 m full"),
        Of(B + @"(?:at\s+)?(?:an?\s+)?moderate(?:ly)?(?:\s*(?:pace|effort|speed|tempo|intensity|run(?:ning)?))?" + E, " steady ", "4 x 60 m at a moderate pace", "4 x 60 m steady"),
        Of(B + @"(?:at\s+)?(?:an?\s+)?(easy|steady|brisk|relaxed|fast)\s*(?:pace|effort|speed|tempo|intensity)" + E, " $1 ", "4 x 60 m at a steady pace", "4 x 60 m steady"),

        // Words that say nothing the line does not.
        Of(@"(?<=^[^;:""\d]*\p{L}\s*):\s*(?=\d)", " ", "bounds for distance: 3x5", "alternate bound 3 x 5 reps cue \"for distance\""),
        Of(@"^\s*(?:sprints?|runs?|accelerations?|accels?|starts?|dash(?:es)?)\s*:?\s*(?=\d|from" + E + ")", " ", "sprint 5 x 20m", "5 x 20 m"),
        Of(@"^([^+]*\d\s*(?:" + U + @")?)\s*(?:sprints?|dash(?:es)?|efforts?|accelerations?|accels?|starts?)" + E + @"(?!.*\+)", "$1", "20 yard dash", "20 yd"),
        Of(B + @"down" + E + @"(?=\s*,?\s*rest walk-back)", " ", "A-skip 20 m down, walk back", "A-skip 20 m rest walk-back"),
        Of(B + @"(?:of|with|w/|the|then|please|do|go|straight|about|around)" + E, " ", "A-skip of 20 m", "A-skip 20 m"),
        Of(@"[.;]\s*$", " ", "4 x 20 m.", "4 x 20 m"),
    ];
}
