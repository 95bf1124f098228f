using System.Text.Json;
using System.Text.Json.Serialization;

namespace InchBurst.Core.School;

/// <summary>What a number of a school is called, what it may be, and why it is what it is.</summary>
/// <param name="Key">Short name, unique.</param>
/// <param name="Label">What a coach calls it.</param>
/// <param name="Unit">Unit, may be empty.</param>
/// <param name="Least">Least value allowed.</param>
/// <param name="Most">Most value allowed.</param>
public sealed record SchoolNumber(string Key, string Label, string Unit, double Least, double Most);

/// <summary>A value with its reason.</summary>
/// <param name="Value">Value in the unit of its number.</param>
/// <param name="Reason">Why, with its source or "common practice".</param>
public sealed record SchoolValue(double Value, string Reason);

/// <summary>A coaching school: a named set of numbers, each with its reason, that a coach can copy and change.</summary>
/// <param name="Name">Name, unique.</param>
/// <param name="About">What it stands for, in one sentence.</param>
/// <param name="Values">Values by key; those missing are taken from the first school.</param>
public sealed record CoachingSchool(string Name, string About, IReadOnlyDictionary<string, SchoolValue> Values)
{
    /// <summary>Every number a school sets, in the order they are shown.</summary>
    public static IReadOnlyList<SchoolNumber> Numbers { get; } =
    [
        new("rest.free", "Rest for each 10 m of full sprint", "s", 5, 180),
        new("rest.heavy", "Rest for each 10 m with a heavy load", "s", 5, 240),
        new("rest.submaximal", "Rest between runs under 90%", "s", 0, 600),
        new("rest.jumps", "Rest between sets of jumps", "s", 0, 300),
        new("rest.floor", "Shortest rest after a full sprint", "s", 0, 300),
        new("rest.ceiling", "Longest rest the rule asks for", "s", 120, 1800),
        new("warmup.least", "Shortest warm-up", "min", 10, 30),
        new("volume.acceleration", "Most metres of acceleration", "m", 20, 1000),
        new("volume.maxvelocity", "Most metres of flying runs, build included", "m", 20, 1000),
        new("volume.resisted", "Most metres with a load", "m", 0, 1000),
        new("volume.assisted", "Most metres with help", "m", 0, 400),
        new("volume.contacts", "Most ground contacts of jumps", "", 0, 600),
        new("reps.flies", "Most runs at top speed", "", 1, 20),
        new("load.bracket", "Load for top-speed work changes speed by at most", "%", 1, 30),
        new("load.heaviest", "Load for acceleration slows by at most", "%", 5, 80),
        new("load.weeks", "Weeks from the heaviest sled to free running; 0 holds the load light", "", 0, 16),
        new("assisted.ceiling", "Help quickens by at most", "%", 1, 10),
        new("reach.topspeed", "A top-speed run reaches at least", "% of own", 85, 99),
        new("stop.share", "Stop when a rep falls below", "% of the day's best", 80, 99),
        new("through.metres", "Run through past a timed line", "m", 0, 20),
        new("start.lead", "Lead-in of a start before “set”", "s", 2, 60),
        new("start.hold.least", "Shortest hold between “set” and the go", "s", 0.8, 5.6),
        new("start.hold.most", "Longest hold between “set” and the go", "s", 1.2, 6),
        new("start.hold.young", "Longest hold for athletes under 16", "s", 1.2, 6),
        new("cooldown.least", "Shortest cool-down", "min", 0, 20),
        new("week.every", "Top speed at least every", "days", 2, 21),
        new("week.topspeed", "Most top-speed days a week", "", 0, 7),
        new("week.wish.topspeed", "Top-speed days wished a week", "", 0, 7),
        new("week.wish.starts", "Acceleration days wished a week", "", 0, 7),
        new("week.wish.resisted", "Resisted days wished a week", "", 0, 7),
        new("week.wish.days", "Sprint days wished a week; one more for those who play little", "", 0, 7),
        new("week.sessions", "Most sprint days a week", "", 1, 7),
        new("week.apart", "Hours between hard days", "h", 0, 120),
        new("week.backtoback", "Acceleration may follow acceleration: 1 yes, 0 no", "", 0, 1),
        new("week.clear", "Days before a match without anything hard", "days", 0, 5),
        new("week.primer", "Most hard metres of a primer; 0 for no primer", "m", 0, 150),
        new("week.after", "Days after a match without anything hard for those who played", "days", 0, 3),
        new("week.growth", "Hard metres a week against the mean of four weeks", "times", 1, 3),
        new("week.young", "Most hard days a week for a group with athletes under 16", "", 1, 7),
        new("week.return", "First week back after an absence, of the usual hard metres", "%", 0, 100),
        new("week.minutes", "High minutes from, in the mean of the matches looked at", "min", 1, 90),
        new("week.matches", "Matches looked at for playing groups", "", 1, 10),
        new("often.wall.least", "Wall drills, least days a week", "", 0, 7),
        new("often.wall.most", "Wall drills, most days a week", "", 0, 7),
        new("often.hurdles.least", "Mini-hurdles, least days a week", "", 0, 7),
        new("often.hurdles.most", "Mini-hurdles, most days a week", "", 0, 7),
        new("often.bounds.least", "Bounds and hops, least days a week", "", 0, 7),
        new("often.bounds.most", "Bounds and hops, most days a week", "", 0, 7),
        new("often.trunk.least", "Holds and trunk work, least days a week", "", 0, 7),
        new("often.assisted", "Assisted running, most days a week", "", 0, 7),
        new("split.light", "Of sprint metres over a block: light loads", "%", 0, 100),
        new("split.heavy", "Of sprint metres over a block: heavy loads", "%", 0, 100),
        new("split.assisted", "Of sprint metres over a block: assisted", "%", 0, 100),
        new("split.turn", "Of sprint metres over a block: with turns; what is left is free", "%", 0, 100),
        new("split.contacts", "Jump contacts a week over a block", "", 0, 2000),
    ];

    /// <summary>The schools that ship with the program.</summary>
    public static IReadOnlyList<CoachingSchool> BuiltIn { get; } =
    [
        new("Full rest, light loads", "Every sprint fresh; loads so light that the movement stays the same.", Set(
            ("rest.free", 60, "One minute for each 10 m (common practice)."),
            ("rest.heavy", 90, "Heavy loads take about 90 s for each 10 m (common practice)."),
            ("rest.submaximal", 120, "Two to three minutes between short submaximal runs (common practice)."),
            ("rest.jumps", 90, "One to two minutes between sets of jumps (common practice)."),
            ("rest.floor", 60, "Even a 5 m start takes a minute to be fresh (common practice)."),
            ("rest.ceiling", 900, "4 to 15 minutes at top speed (Haugen et al. 2019, from memory): nothing is gained beyond."),
            ("warmup.least", 15, "15 to 20 minutes is usual before full speed (common practice)."),
            ("volume.acceleration", 300, "100 to 300 m a session (Haugen et al. 2019, from memory)."),
            ("volume.maxvelocity", 180, "50 to 150 m of flying metres (Haugen et al. 2019, from memory); build-ups of four to six runs included it is about 180."),
            ("volume.resisted", 200, "50 to 200 m a session (Haugen et al. 2019, from memory)."),
            ("volume.assisted", 100, "Up to 100 m (Haugen et al. 2019, from memory)."),
            ("volume.contacts", 120, "A middling jump session (common practice)."),
            ("reps.flies", 6, "Four to six good runs do it (common practice)."),
            ("load.bracket", 10, "Within 10% of free speed the movement stays the same (common practice)."),
            ("load.heaviest", 10, "This school pulls light loads only."),
            ("load.weeks", 0, "Light loads are held all season (common practice)."),
            ("assisted.ceiling", 5, "At most 105% in much of the literature (Haugen et al. 2019)."),
            ("reach.topspeed", 95, "Below 95% of own top speed a run trains something else (common practice)."),
            ("stop.share", 95, "A drop of 3 to 5% ends quality (common practice)."),
            ("through.metres", 5, "A 10 m time is run through a cone at 15 (common practice)."),
            ("cooldown.least", 5, "About 5 minutes (common practice)."),
            ("week.every", 6, "More than six days without it and it starts to fade (common practice)."),
            ("week.topspeed", 2, "Top speed once or twice a week (common practice)."),
            ("week.wish.topspeed", 1, "In season the first aim is to lose nothing (common practice)."),
            ("week.wish.starts", 1, "One acceleration day beside it (common practice)."),
            ("week.wish.resisted", 1, "More resisted than assisted work: it is easier to run and lasts longer (common practice)."),
            ("week.wish.days", 2, "Two days beside the primer; those who play little train three times (common practice)."),
            ("week.sessions", 4, "Two to four sprint days a week (common practice)."),
            ("week.apart", 48, "48 hours between two hard days (common practice)."),
            ("week.backtoback", 0, "This school never puts two hard days together."),
            ("week.clear", 2, "No hard sprinting in the two days before a match (common practice)."),
            ("week.primer", 60, "Four to six short starts wake the legs and cost nothing (common practice)."),
            ("week.after", 1, "Recovery after a match (common practice)."),
            ("week.growth", 1.3, "A third more than the month is a jump (common practice; how far a ratio foretells injury is disputed)."),
            ("start.lead", 10, "Time to walk up, get down and be still (common practice)."),
            ("start.hold.least", 1, "Long enough to be still first (common practice)."),
            ("start.hold.most", 2.5, "Longer, and hips and hands tire before the go (common practice)."),
            ("start.hold.young", 1.8, "The young hold a low position for less long (common practice)."),
            ("week.young", 3, "The young need less (common practice)."),
            ("week.return", 50, "Half in the first week back (common practice); whoever treats the athlete decides."),
            ("week.minutes", 30, "Half a match of an hour (common practice)."),
            ("week.matches", 4, "The last month of matches (common practice)."),
            ("often.wall.least", 3, "Wall drills three to five times a week (common practice)."),
            ("often.wall.most", 5, "Wall drills three to five times a week (common practice)."),
            ("often.hurdles.least", 1, "Mini-hurdles once or twice a week (common practice)."),
            ("often.hurdles.most", 2, "Mini-hurdles once or twice a week (common practice)."),
            ("often.bounds.least", 1, "Bounds once or twice a week (common practice)."),
            ("often.bounds.most", 2, "Bounds once or twice a week (common practice)."),
            ("often.trunk.least", 5, "Trunk work most days (common practice)."),
            ("often.assisted", 1, "Help is for few and seldom (common practice)."),
            ("split.light", 15, "More resisted than assisted, most of it free (common practice)."),
            ("split.heavy", 0, "This school pulls light loads only."),
            ("split.assisted", 3, "Help is for few and seldom (common practice)."),
            ("split.turn", 10, "Slowing down and turning are taught all year (common practice)."),
            ("split.contacts", 120, "Two middling jump days (common practice)."))),
        new("Heavy to light sled", "Heavy sleds build the push; over weeks they go heavy to light to free.", Set(
            ("rest.heavy", 90, "About 90 s for each 10 m with a heavy sled (common practice)."),
            ("load.heaviest", 60, "Anything that still moves forward; power is highest near half of free speed (Cross et al. 2017)."),
            ("load.weeks", 8, "Heavy to light to free over about two months (common practice)."),
            ("volume.resisted", 250, "Resisted running is the main work here (common practice)."),
            ("volume.acceleration", 200, "Less free acceleration, since the sled gives the push (common practice)."),
            ("warmup.least", 12, "Starts under load are slower and need a little less (common practice)."),
            ("week.wish.resisted", 2, "Resisted running is the main work here (common practice)."),
            ("split.light", 10, "The light end of the way (common practice)."),
            ("split.heavy", 25, "Resisted running is the main work here (common practice)."),
            ("week.backtoback", 1, "Resisted starts are close to what is lifted: two acceleration days in a row are fine, two top-speed days never (common practice)."))),
        new("Short team windows", "Thirty to forty minutes with a whole team: the queue is the rest, and little is enough.", Set(
            ("rest.free", 40, "In a team the queue is most of the rest; 40 s for each 10 m keeps speed within a few percent (common practice)."),
            ("rest.heavy", 60, "Light and short loads only (common practice)."),
            ("rest.submaximal", 60, "Walk-back rest (common practice)."),
            ("rest.jumps", 60, "One minute (common practice)."),
            ("rest.floor", 30, "Walk back and queue (common practice)."),
            ("warmup.least", 10, "Ten minutes of flow (common practice)."),
            ("volume.acceleration", 200, "Matches add their own sprinting (common practice)."),
            ("volume.maxvelocity", 120, "Two to four runs hold what is there (common practice)."),
            ("volume.contacts", 60, "Courts and matches add contacts (common practice)."),
            ("reps.flies", 4, "A small exposure once or twice a week (common practice)."),
            ("reach.topspeed", 90, "90% of own best counts as an exposure (common practice)."),
            ("load.heaviest", 30, "Moderate loads leave nobody stiff for a match (common practice)."),
            ("load.weeks", 6, "From a strong push to light to free within six weeks (common practice)."),
            ("cooldown.least", 3, "Part of team training follows (common practice)."),
            ("week.wish.resisted", 0, "Matches and lifting do that work (common practice)."),
            ("week.wish.days", 1, "One small exposure early in the week and a primer (common practice)."),
            ("week.sessions", 3, "Two or three short ones beside team training (common practice)."))),
        new("Small doses most days", "A little sprinting on most days: two flies or a few starts, never enough to tire.", Set(
            ("volume.acceleration", 100, "A few starts a day (common practice)."),
            ("volume.maxvelocity", 70, "Two flies with their build (common practice)."),
            ("reps.flies", 2, "Two good ones, and again in two days (common practice)."),
            ("week.topspeed", 3, "Small and often (common practice)."),
            ("week.wish.topspeed", 2, "Small and often (common practice)."),
            ("week.wish.starts", 2, "Small and often (common practice)."),
            ("week.wish.days", 4, "Small and often (common practice)."),
            ("week.sessions", 6, "Most days (common practice)."),
            ("week.apart", 24, "A small dose is over by the next day (common practice)."),
            ("week.backtoback", 1, "A small dose is over by the next day (common practice)."),
            ("week.clear", 1, "A small dose two days before costs nothing (common practice)."))),
        new("Twice a week", "Two full sprint days, everything else easy: for those who train alone or have two evenings.", Set(
            ("week.topspeed", 1, "One of the two days (common practice)."),
            ("week.wish.starts", 1, "The other of the two days (common practice)."),
            ("week.wish.resisted", 0, "Within the acceleration day where it fits (common practice)."),
            ("week.sessions", 2, "Two days, each whole (common practice)."),
            ("week.apart", 72, "Three days from one to the next (common practice)."),
            ("often.wall.least", 2, "On the two days (common practice)."),
            ("often.trunk.least", 3, "On the two days and once at home (common practice)."))),
    ];

    /// <summary>The school used when none is chosen.</summary>
    public static CoachingSchool Usual => BuiltIn[0];

    /// <summary>Value of a number.</summary>
    /// <param name="key">Its key.</param>
    /// <exception cref="KeyNotFoundException">There is no such number.</exception>
    public double this[string key] => Of(key).Value;

    /// <summary>Value of a number with its reason.</summary>
    /// <param name="key">Its key.</param>
    /// <exception cref="KeyNotFoundException">There is no such number.</exception>
    public SchoolValue Of(string key) => Values.TryGetValue(key, out var own) ? own : Usual.Values[key];

    /// <summary>The school as JSON.</summary>
    public string ToJson() => JsonSerializer.Serialize(this, SchoolJsonContext.Default.CoachingSchool);

    /// <summary>A school from JSON.</summary>
    /// <param name="json">Text made by <see cref="ToJson"/>.</param>
    /// <exception cref="JsonException">The text is not a school.</exception>
    public static CoachingSchool FromJson(string json) => JsonSerializer.Deserialize(json, SchoolJsonContext.Default.CoachingSchool) ?? throw new JsonException("The school is empty.");

    private static Dictionary<string, SchoolValue> Set(params (string Key, double Value, string Reason)[] values) => values.ToDictionary(v => v.Key, v => new SchoolValue(v.Value, v.Reason));
}

[JsonSerializable(typeof(CoachingSchool))]
internal sealed partial class SchoolJsonContext : JsonSerializerContext;
