using System.Globalization;
using System.Text.RegularExpressions;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;

namespace InchBurst.Core.Shorthand;

/// <summary>
/// What was read, held against what was typed: every figure and every word that says what is done must be somewhere in the reading, as it stands, in another unit or as a sum.
/// A line with more in it than was read is asked about, however it came to be read so: no habit of writing may lose a figure in silence.
/// </summary>
internal static partial class ShorthandAccount
{
    /// <summary>The question to ask, or null where the reading accounts for the whole line.</summary>
    /// <param name="typed">The line as typed.</param>
    /// <param name="read">What was read.</param>
    /// <param name="printed">The same as the program prints it.</param>
    /// <param name="catalogue">Known exercises.</param>
    public static ShorthandProblem? Missing(string typed, PlanBlock read, string printed, ExerciseCatalogue catalogue)
    {
        if (printed == typed.Trim())
        {
            return null;
        }

        var line = LineText.Of(typed);
        if (TwoMeanings(line.Text, read, catalogue) is { } twofold)
        {
            return twofold;
        }

        var names = string.Join(' ', read.Lines.Select(l => catalogue.Find(l.Exercise)).OfType<Exercise>().SelectMany(e => e.Also.Append(e.Name)));
        var heading = line.Text.Length - LineHabits.WithoutHeading(line.Text).Length;
        var work = new string(' ', heading) + line.Text[heading..];
        var lost = LostUnit(work, printed) ?? LostFigure(work, read, printed, names) ?? LostWord(work, heading, printed, names, catalogue);
        if (lost is not { } at)
        {
            return null;
        }

        var (start, length) = line.Source(at.Index, at.Length);
        return new(start, length, $"Read as {printed}, which leaves out “{at.Value}”.")
        {
            Choices = [new($"leave it out: {printed}", (0, typed.Length, printed)), .. SaidToo(typed, read, start, length, printed, at.Value)],
        };
    }

    // Beside what was read, the rest can be said to the athlete.
    private static IEnumerable<ShorthandChoice> SaidToo(string typed, PlanBlock read, int start, int length, string printed, string lost) =>
        read.Lines is [{ Cue: null }] && start + length <= typed.Length ? [new($"say it: {lost}", (0, typed.Length, $"{printed} cue \"{lost}\""))] : [];

    // A heading in front says what sort of work follows, and is none of it.
    private static Match? LostWord(string typed, int heading, string printed, string names, ExerciseCatalogue catalogue)
    {
        HashSet<string> held = [.. Words().Matches(printed + " " + names).Select(m => m.Value.ToLowerInvariant())];
        foreach (var match in Words().Matches(typed).Where(m => m.Index >= heading))
        {
            var word = match.Value.ToLowerInvariant();
            if (held.Any(h => h.StartsWith(word[..Math.Min(4, word.Length)], StringComparison.Ordinal) || word.StartsWith(h, StringComparison.Ordinal)) || (catalogue.Find(match.Value) is { } named && printed.Contains(named.Name, StringComparison.Ordinal)))
            {
                continue;
            }

            if (Meaning.TryGetValue(word, out var means) ? !means.Any(m => printed.Contains(m, StringComparison.Ordinal)) : !Spent.Contains(word) && (catalogue.Words.Contains(word) || !LineHabits.Knows(word)))
            {
                return match;
            }
        }

        return null;
    }

    // Words that are read as something else, and what that may be.
    private static readonly Dictionary<string, string[]> Meaning = new()
    {
        ["resisted"] = ["sled", "band", "partner", "vest", "chain", "parachute"],
        ["weighted"] = ["vest", "kg", "lb", "%bm"],
        ["loaded"] = ["sled", "vest", "kg", "lb", "%"],
        ["hill"] = ["uphill", "hill", "downhill"],
        ["hills"] = ["uphill", "hill", "downhill"],
        ["incline"] = ["uphill", "hill"],
        ["band"] = ["band", "tow"],
        ["assisted"] = ["tow", "band", "downhill", "assisted"],
        ["overspeed"] = ["tow", "band", "downhill"],
        ["submax"] = ["%", "not flat out"],
        ["decelerate"] = ["slow", "stop"],
        ["deceleration"] = ["slow", "stop"],
        ["stop"] = ["slow", "stop"],
        ["brake"] = ["slow", "stop"],
        ["hollow"] = ["float"],
        ["slow"] = ["slow", "walk"],
        ["lateral"] = ["lateral", "shuffle", "side"],
        ["superset"] = [";"],
        ["core"] = [";", "core", "trunk"],
        ["supersetted"] = [";"],
        ["paired"] = [";"],
        ["couplet"] = [";"],
        ["combo"] = [";"],
        ["complex"] = [";"],
        ["circuit"] = [";", "circuit"],
        ["inch"] = ["inch", " in"],
        ["jog"] = ["jog", "float", "rest", "moving"],
        ["walk"] = ["walk", "rest", "moving"],
        ["single"] = ["each side", "single"],
        ["chute"] = ["parachute"],
        ["lying"] = ["prone", "supine"],
        ["stationary"] = ["bike"],
        ["cycle"] = ["bike"],
        ["cycling"] = ["bike"],
        ["spin"] = ["bike", "spin"],
        ["spinning"] = ["bike"],
        ["face"] = ["prone", "supine"],
        ["xbw"] = ["%bm"],
        ["steps"] = ["rep", "step", "stair"],
        ["rolling"] = ["moving", "build"],
        ["roll"] = ["moving", "build"],
        ["half"] = ["50%", ":30"],
        ["relaxed"] = ["float", "%", "relaxed"],
        ["left"] = ["each side", "left", "alternate"],
        ["right"] = ["each side", "right", "alternate"],
    };

    // Words that say how the line is built, or what its figures say already.
    private static readonly HashSet<string> Spent = new(
        ("bodyweight contrast cut forward ladder pyramid hrmax maximal mile miles slowdown vmax warmup accel accels accelerate acceleration accelerations and body break cool decel down drill drills drop five flat four free general "
        + "hold ins intervals into leg legs off outs over pause practice progressive pull pulls push quarter race recovery speed split sprints stance start starting starts test the three two with work warm weight back easy feet foot "
        + "for from full out run runs sprint one six seven eight nine ten twice times session iso hand hands degree degrees double xamrap xmax abs trunk gym finisher primer plyo plyos circuit gap movement electronically manually gate gates bwd still moves bpm agility repeat pap pape potentiation position shot put note notes key remember reminder line barbell mini mtr mtrs xfly burst bursts maxv vloss tens twenties twentys thirties thirtys").Split(' '),
        StringComparer.Ordinal);

    [GeneratedRegex(@"[\p{L}\p{M}]{3,}")]
    private static partial Regex Words();
}
