using InchBurst.Core.Plan;

namespace InchBurst.Core.Catalogue;

/// <summary>Part of a run that an eye looks at.</summary>
public enum RunPhase
{
    /// <summary>Set position and first movement.</summary>
    Start,

    /// <summary>The first pushes.</summary>
    Drive,

    /// <summary>Trunk coming up.</summary>
    Rise,

    /// <summary>Upright running.</summary>
    Upright,

    /// <summary>Arms.</summary>
    Arms,

    /// <summary>Foot contact.</summary>
    Contact,

    /// <summary>Slowing down, turning.</summary>
    SlowDown,

    /// <summary>Landing from a jump.</summary>
    Landing,

    /// <summary>Flight and contact of bounds.</summary>
    Bound,

    /// <summary>A bar or weight moved.</summary>
    Bar,

    /// <summary>A position held.</summary>
    Hold,

    /// <summary>In the coach's own words.</summary>
    Own,

    /// <summary>The body: what stops work rather than shapes it.</summary>
    Body,
}

/// <summary>Something seen on a run.</summary>
/// <param name="Code">Short name it is stored by.</param>
/// <param name="Phase">Part of the run.</param>
/// <param name="Says">What the coach reads and taps.</param>
/// <param name="Drills">Exercises of the catalogue that work on it, the first choice first (common practice).</param>
/// <param name="IsGood">True for something to keep, not to mend.</param>
/// <param name="StopsFullEfforts">True for a sign that ends full efforts until the clinician who treats the athlete allows them.</param>
public sealed record Observation(string Code, RunPhase Phase, string Says, IReadOnlyList<string> Drills, bool IsGood = false, bool StopsFullEfforts = false);

/// <summary>A fault with how often it was seen and what to do about it.</summary>
/// <param name="Seen">What was seen.</param>
/// <param name="Times">How often.</param>
/// <param name="Athletes">On how many athletes.</param>
/// <param name="Drills">Known exercises that work on it, at most 3.</param>
public sealed record FaultSeen(Observation Seen, int Times, int Athletes, IReadOnlyList<Exercise> Drills);

/// <summary>What can be seen on a run, tied to its phases, and the drills that answer it. Pairs of fault and drill are common practice.</summary>
public static class Observations
{
    /// <summary>Everything that can be tapped.</summary>
    public static IReadOnlyList<Observation> All { get; } =
    [
        new("false-step", RunPhase.Start, "Stepped back first", ["falling start", "three-point start"]),
        new("shins-up", RunPhase.Start, "Shins too upright", ["falling start", "wall hold"]),
        new("short-push", RunPhase.Drive, "Push cut short", ["heavy sled", "broad jump", "wall switch one"]),
        new("quick-feet", RunPhase.Drive, "Steps too short", ["heavy sled", "alternate bound"]),
        new("popped-up", RunPhase.Rise, "Rose early", ["wall switch one", "falling start", "light sled"]),
        new("head-up", RunPhase.Rise, "Head up first", ["wall hold", "falling start"]),
        new("reached", RunPhase.Upright, "Reached in front", ["ankle dribble", "calf dribble", "mini-hurdle run"]),
        new("late-recovery", RunPhase.Upright, "Leg left behind", ["leg circle walk", "leg circle run"]),
        new("sat", RunPhase.Upright, "Sitting low", ["A-skip", "mini-hurdle run"]),
        new("sway", RunPhase.Upright, "Trunk swayed", ["overhead A-run", "dead bug", "side plank"]),
        new("tense", RunPhase.Upright, "Strained, tense", ["relaxed ninety", "fast-float-fast"]),
        new("arms-across", RunPhase.Arms, "Arms across", ["seated arm swing"]),
        new("dull", RunPhase.Contact, "Dull contacts", ["pogo hops", "single-leg pogo"]),
        new("heels", RunPhase.Contact, "Landed on heels", ["ankle dribble", "pogo hops"]),
        new("braked-early", RunPhase.SlowDown, "Braked early", ["short sprint"]),
        new("stopped-tall", RunPhase.SlowDown, "Stopped tall", ["stick the stop", "stop in eight"]),
        new("rose-turn", RunPhase.SlowDown, "Rose in the turn", ["cut forty-five", "five-ten-five"]),
        new("knee-in", RunPhase.Landing, "Knee caved in", ["snap-down landing", "single-leg bridge"]),
        new("landed-stiff", RunPhase.Landing, "Landed stiff", ["snap-down landing", "drop landing"]),
        new("landed-uneven", RunPhase.Landing, "Landed on one side", ["drop landing", "countermovement jump"]),
        new("low-flight", RunPhase.Bound, "Little flight", ["broad jump", "alternate bound"]),
        new("collapsed", RunPhase.Bound, "Sank at contact", ["single-leg pogo", "split squat"]),
        new("foot-ahead", RunPhase.Bound, "Foot too far ahead", ["A-skip", "alternate bound"]),
        new("bar-drift", RunPhase.Bar, "Bar drifted away", ["single-leg deadlift"]),
        new("back-round", RunPhase.Bar, "Back rounded", ["front plank", "dead bug"]),
        new("heels-up", RunPhase.Bar, "Heels came up", ["split squat"]),
        new("hips-first", RunPhase.Bar, "Hips rose first", ["front plank"]),
        new("hips-sag", RunPhase.Hold, "Hips sagged", ["front plank", "dead bug"]),
        new("lost-shape", RunPhase.Hold, "Lost the position", ["dead bug"]),
        new("clean", RunPhase.Upright, "Clean", [], IsGood: true),
        new("slipped", RunPhase.Body, "Slipped", []),
        new("tight", RunPhase.Body, "Tight or sore", [], StopsFullEfforts: true),
    ];

    /// <summary>The observation with a code, or null for words of the coach's own.</summary>
    /// <param name="code">The code.</param>
    public static Observation? Find(string code) => All.FirstOrDefault(o => o.Code == code);

    /// <summary>What an observation says, known or in the coach's own words.</summary>
    /// <param name="code">Code or own words.</param>
    public static string Says(string code) => Find(code)?.Says ?? code;

    /// <summary>What a code stands for; words of the coach's own stand for themselves.</summary>
    /// <param name="code">Code or own words.</param>
    public static Observation Of(string code) => Find(code) ?? new(code, RunPhase.Own, code, []);

    /// <summary>What is worth tapping on work of some phases, the most usual first; signs of the body always among them.</summary>
    /// <param name="phases">Phases, at least one, the most telling first.</param>
    /// <param name="own">Chips of the club's own; those of the phases stand before the others.</param>
    public static IReadOnlyList<Observation> For(IReadOnlyList<RunPhase> phases, IReadOnlyList<Observation>? own = null)
    {
        return
        [
            .. (own ?? []).Where(o => phases.Contains(o.Phase)).OrderBy(o => phases.ToList().IndexOf(o.Phase)),
            .. All.Where(o => o.Phase == phases[0] && !o.IsGood).Take(2),
            .. All.Where(o => o.Phase == RunPhase.Body),
            .. All.Where(o => o.IsGood),
            .. All.Where(o => o.Phase == phases[0] && !o.IsGood).Skip(2),
            .. phases.Skip(1).SelectMany(p => All.Where(o => o.Phase == p && !o.IsGood)),
        ];
    }

    /// <summary>Faults seen and own words, the most frequent first, each with the drills of the catalogue that answer it. Words that differ by case are the same.</summary>
    /// <param name="seen">Codes seen, with the athlete they were seen on.</param>
    /// <param name="catalogue">Known exercises.</param>
    public static IReadOnlyList<FaultSeen> Most(IEnumerable<(int AthleteId, string Code)> seen, ExerciseCatalogue catalogue) =>
    [
        .. seen.Select(s => (s.AthleteId, Known: catalogue.Seen(s.Code))).Where(s => s.Known is { IsGood: false, Phase: not RunPhase.Body })
            .GroupBy(s => s.Known.Code, StringComparer.OrdinalIgnoreCase).Select(g => (g.First().Known, All: g))
            .Select(g => new FaultSeen(g.Known, g.All.Count(), g.All.Select(x => x.AthleteId).Distinct().Count(), [.. g.Known.Drills.Select(d => catalogue.Find(d)).OfType<Exercise>().Take(3)]))
            .OrderByDescending(f => f.Times).ThenBy(f => f.Seen.Phase).ThenBy(f => f.Seen.Code, StringComparer.Ordinal),
    ];
}
