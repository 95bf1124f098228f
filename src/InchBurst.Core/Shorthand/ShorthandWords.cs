using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Shorthand;

/// <summary>The words of the shorthand and what they stand for; reading and printing share these lists.</summary>
internal static class ShorthandWords
{
    public static readonly string[] Keywords =
        ["from", "rest", "gates", "through", "each side", "in waves", "for", "cue", "as", "log", "sled", "chain", "parachute", "band", "partner", "vest", "uphill", "downhill", "tow"];

    public static readonly IReadOnlyDictionary<string, DistanceUnit> DistanceUnits = new Dictionary<string, DistanceUnit>(StringComparer.OrdinalIgnoreCase)
    {
        ["m"] = DistanceUnit.Metre,
        ["metre"] = DistanceUnit.Metre,
        ["metres"] = DistanceUnit.Metre,
        ["meter"] = DistanceUnit.Metre,
        ["meters"] = DistanceUnit.Metre,
        ["yd"] = DistanceUnit.Yard,
        ["yds"] = DistanceUnit.Yard,
        ["yard"] = DistanceUnit.Yard,
        ["yards"] = DistanceUnit.Yard,
        ["ft"] = DistanceUnit.Foot,
        ["foot"] = DistanceUnit.Foot,
        ["feet"] = DistanceUnit.Foot,
    };

    public static readonly IReadOnlyDictionary<string, double> TimeUnits = new Dictionary<string, double>(StringComparer.OrdinalIgnoreCase)
    {
        ["s"] = 1,
        ["sec"] = 1,
        ["secs"] = 1,
        ["second"] = 1,
        ["seconds"] = 1,
        ["min"] = 60,
        ["mins"] = 60,
        ["minute"] = 60,
        ["minutes"] = 60,
    };

    public static readonly string[] CountWords = ["reps", "rep", "times", "contacts", "jumps", "hops", "bounds", "throws"];

    public static readonly string[] PassWords = ["passes", "pass"];

    public static readonly IReadOnlyDictionary<string, SegmentRole> Roles = new Dictionary<string, SegmentRole>(StringComparer.OrdinalIgnoreCase)
    {
        ["run"] = SegmentRole.Run,
        ["build"] = SegmentRole.Build,
        ["fly"] = SegmentRole.Fly,
        ["fast"] = SegmentRole.Fast,
        ["float"] = SegmentRole.Float,
        ["slow"] = SegmentRole.Slow,
        ["up"] = SegmentRole.Up,
        ["out"] = SegmentRole.Up,
        ["back"] = SegmentRole.Back,
    };

    public static readonly IReadOnlyDictionary<string, Motion> Movements = new Dictionary<string, Motion>(StringComparer.OrdinalIgnoreCase)
    {
        ["bound"] = Motion.Bound,
        ["bounds"] = Motion.Bound,
        ["bounding"] = Motion.Bound,
        ["hop"] = Motion.Hop,
        ["hops"] = Motion.Hop,
        ["hopping"] = Motion.Hop,
        ["skip"] = Motion.Skip,
        ["march"] = Motion.March,
        ["shuffle"] = Motion.Shuffle,
        ["crossover"] = Motion.Crossover,
        ["backpedal"] = Motion.Backpedal,
        ["backwards"] = Motion.Backpedal,
        ["backward"] = Motion.Backpedal,
        ["jog"] = Motion.Jog,
        ["walk"] = Motion.Walk,
        ["carry"] = Motion.Carry,
        ["sprint"] = Motion.Sprint,
    };

    /// <summary>Count words that tell what is done.</summary>
    public static readonly IReadOnlyDictionary<string, Motion> CountMovements = new Dictionary<string, Motion>(StringComparer.OrdinalIgnoreCase)
    {
        ["jumps"] = Motion.Jump,
        ["hops"] = Motion.Hop,
        ["bounds"] = Motion.Bound,
        ["throws"] = Motion.Throw,
    };

    public static readonly IReadOnlyDictionary<string, StartPosition> Starts = new Dictionary<string, StartPosition>(StringComparer.OrdinalIgnoreCase)
    {
        ["standing"] = StartPosition.Standing,
        ["3-point"] = StartPosition.ThreePoint,
        ["three-point"] = StartPosition.ThreePoint,
        ["4-point"] = StartPosition.FourPoint,
        ["four-point"] = StartPosition.FourPoint,
        ["blocks"] = StartPosition.Blocks,
        ["falling"] = StartPosition.Falling,
        ["half-kneeling"] = StartPosition.HalfKneeling,
        ["kneeling"] = StartPosition.Kneeling,
        ["prone"] = StartPosition.Prone,
        ["lateral"] = StartPosition.Lateral,
        ["moving"] = StartPosition.Moving,
        ["rolling"] = StartPosition.Moving,
    };

    public static readonly IReadOnlyDictionary<string, double> EffortWords = new Dictionary<string, double>(StringComparer.OrdinalIgnoreCase)
    {
        ["easy"] = 50,
        ["steady"] = 70,
        ["brisk"] = 80,
        ["relaxed"] = 90,
        ["fast"] = 95,
        ["full"] = 100,
    };

    public static readonly IReadOnlyDictionary<string, LoadKind> Loads = new Dictionary<string, LoadKind>(StringComparer.OrdinalIgnoreCase)
    {
        ["sled"] = LoadKind.Sled,
        ["chain"] = LoadKind.Chain,
        ["parachute"] = LoadKind.Parachute,
        ["band"] = LoadKind.Band,
        ["partner"] = LoadKind.Partner,
        ["vest"] = LoadKind.Vest,
        ["uphill"] = LoadKind.Uphill,
        ["downhill"] = LoadKind.Downhill,
        ["tow"] = LoadKind.Tow,
        ["towed"] = LoadKind.Tow,
    };

    public static readonly IReadOnlyDictionary<string, LoadUnit> BandWords = new Dictionary<string, LoadUnit>(StringComparer.OrdinalIgnoreCase)
    {
        ["light"] = LoadUnit.Light,
        ["medium"] = LoadUnit.Medium,
        ["heavy"] = LoadUnit.Heavy,
    };

    public static readonly IReadOnlyDictionary<string, LoadUnit> AimWords = new Dictionary<string, LoadUnit>(StringComparer.OrdinalIgnoreCase)
    {
        ["keep movement"] = LoadUnit.KeepMovement,
        ["strong push"] = LoadUnit.StrongPush,
        ["most power"] = LoadUnit.MostPower,
        ["heavy start"] = LoadUnit.HeavyStart,
    };

    public static readonly string[] Groups = ["high minutes", "low minutes", "others"];

    /// <summary>True for a word that has a meaning of its own in a line, such as a unit or a role.</summary>
    public static bool IsVocabulary(string word) => AllWords.Contains(word);

    /// <summary>Every word that has a meaning of its own in a line.</summary>
    public static IReadOnlyCollection<string> Vocabulary => AllWords;

    private static readonly HashSet<string> AllWords = new(
        DistanceUnits.Keys.Concat(TimeUnits.Keys).Concat(Roles.Keys).Concat(Movements.Keys).Concat(Starts.Keys).Concat(EffortWords.Keys).Concat(Loads.Keys).Concat(BandWords.Keys).Concat(Keywords).Concat(CountWords).Concat(PassWords), StringComparer.OrdinalIgnoreCase);

    public static string StartWord(StartPosition start) => Starts.First(s => s.Value == start).Key;

    public static string RoleWord(SegmentRole role) => role is SegmentRole.Turn or SegmentRole.Cut
        ? role.ToString().ToLowerInvariant()
        : Roles.First(r => r.Value == role).Key;

    public static string MovementWord(Motion movement) => Movements.First(m => m.Value == movement).Key;

    /// <summary>The nearest of some words within one slip of the keys, within two where the word is long and begins the same; or null.</summary>
    /// <param name="word">The word as typed.</param>
    /// <param name="among">The words there are.</param>
    /// <param name="longestShort">Longest word, in letters, in which a second slip makes it another word.</param>
    public static string? Nearest(string word, IEnumerable<string> among, int longestShort = LongestShort)
    {
        string? best = null;
        var allowed = word.Length <= longestShort ? 1 : 2;
        var least = allowed + 1;
        foreach (var candidate in among)
        {
            // One letter that stands alone is a name of its own: a W drill is no slip of a T drill.
            if (Math.Abs(candidate.Length - word.Length) > allowed || (word.Length > 2 && candidate.Length > 2 && word[1] == ' ' && candidate[1] == ' ' && char.ToLowerInvariant(word[0]) != char.ToLowerInvariant(candidate[0])))
            {
                continue;
            }

            if (!IsNearWordByWord(word, candidate))
            {
                continue;
            }

            var slips = Slips(word.ToLowerInvariant(), candidate.ToLowerInvariant());
            if (slips < least && slips < candidate.Length && (word.Length > 3 || IsSwapOrLetter(word, candidate)) && (slips < 2 || char.ToLowerInvariant(candidate[0]) == char.ToLowerInvariant(word[0])))
            {
                (least, best) = (slips, candidate);
            }
        }

        return best;
    }

    // Of names of several words each is near the other's: a star drill is no slip of a stop drill, however long the two are together.
    private static bool IsNearWordByWord(string word, string candidate)
    {
        var (typed, known) = (word.Split(' '), candidate.Split(' '));
        if (typed.Length == 1 && known.Length > 1)
        {
            // One word that was meant as several ends as they do.
            return char.ToLowerInvariant(word[^1]) == char.ToLowerInvariant(candidate[^1]);
        }

        return typed.Length == 1 || typed.Length != known.Length || typed.Zip(known).All(w => Slips(w.First.ToLowerInvariant(), w.Second.ToLowerInvariant()) <= (w.First.Length <= LongestShort ? 1 : 2));
    }

    // In a word of so many letters one slip is a slip, and two are another word.
    private const int LongestShort = 6;

    // Of a short word every other short word is near; only a letter left out, one too many, or two swapped is a slip.
    private static bool IsSwapOrLetter(string word, string candidate) => word.Length > 2 && char.ToLowerInvariant(candidate[0]) == char.ToLowerInvariant(word[0]) && (word.Length != candidate.Length || word.ToLowerInvariant().Order().SequenceEqual(candidate.ToLowerInvariant().Order()));

    /// <summary>Edit distance with neighbouring letters swapped counted once (Damerau 1964, optimal string alignment).</summary>
    private static int Slips(string a, string b)
    {
        var cost = new int[a.Length + 1, b.Length + 1];
        for (var i = 0; i <= a.Length; i++)
        {
            cost[i, 0] = i;
        }

        for (var j = 0; j <= b.Length; j++)
        {
            cost[0, j] = j;
        }

        for (var i = 1; i <= a.Length; i++)
        {
            for (var j = 1; j <= b.Length; j++)
            {
                var swap = a[i - 1] == b[j - 1] ? 0 : 1;
                cost[i, j] = Math.Min(Math.Min(cost[i - 1, j] + 1, cost[i, j - 1] + 1), cost[i - 1, j - 1] + swap);
                if (i > 1 && j > 1 && a[i - 1] == b[j - 2] && a[i - 2] == b[j - 1])
                {
                    cost[i, j] = Math.Min(cost[i, j], cost[i - 2, j - 2] + 1);
                }
            }
        }

        return cost[a.Length, b.Length];
    }
}
