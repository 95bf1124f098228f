using System.Text.RegularExpressions;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Shorthand;

/// <summary>
/// Ways out for a line that is refused without a question: words that the language does not know can be said to the athlete as they stand, and
/// a second piece of work can go on a line of its own. Only what reads further than the line did is offered.
/// </summary>
internal static partial class ShorthandWaysOut
{
    /// <summary>The problem with what may be done about it.</summary>
    /// <param name="typed">The line as typed.</param>
    /// <param name="problem">Why it is refused.</param>
    /// <param name="context">Default unit and known exercises.</param>
    /// <param name="read">Reads a line, or several in one row; the problem left, or null.</param>
    public static ShorthandProblem For(string typed, ShorthandProblem problem, ShorthandContext context, Func<string, ShorthandProblem?> read)
    {
        if (LengthAsked(typed, context.DefaultUnit) is { } howFar && howFar.Choices.All(c => read(c.In(typed)) is null))
        {
            return howFar;
        }

        if (InFront(typed, problem, read) is { } people)
        {
            problem = problem with { Choices = [people, .. problem.Choices] };
        }

        if (Behind(typed, problem, read) is { } them)
        {
            problem = problem with { Choices = [them, .. problem.Choices] };
        }

        if (OneIntoAnother().Match(typed) is { Success: true } two)
        {
            return problem with { Message = $"{two.Groups["far"].Value} of each, or in all?", Choices = [.. EachOrInAll(typed, two).Where(c => read(c.In(typed)) is null)] };
        }

        if (Alternating().Match(typed) is { Success: true } turns && int.Parse(turns.Groups["n"].ValueSpan, System.Globalization.CultureInfo.InvariantCulture) is var all)
        {
            ShorthandChoice Each(int count) => new($"{count} each side", (0, typed.Length, $"{turns.Groups["work"].Value}{count} each side{turns.Groups["rest"].Value}"));
            return problem with { Message = $"{all} in all, or each side?", Choices = [.. new[] { Each(all / 2), Each(all) }.Skip(all % 2).Where(c => read(c.In(typed)) is null)] };
        }

        if (FlyBetween().Match(typed) is { Success: true } zone)
        {
            ShorthandChoice Of(string group) => new($"{zone.Groups[group].Value} {(zone.Groups["unit"].Success ? zone.Groups["unit"].Value : "m")}", (zone.Index, zone.Length, $"{zone.Groups["fly"].Value} {zone.Groups[group].Value}{zone.Groups["unit"].Value}"));
            return problem with { Message = $"A fly has one zone: {zone.Groups["least"].Value} or {zone.Groups["most"].Value}?", Choices = [.. new[] { Of("least"), Of("most") }.Where(c => read(c.In(typed)) is null)] };
        }

        if (NumberBehind().Match(typed) is { Success: true } bare)
        {
            var (count, before) = (bare.Groups["n"].Value, bare.Groups["work"].Value);
            return problem with { Message = $"{count} what?", Choices = [.. new ShorthandChoice[] { new($"{count} min of rest", (0, typed.Length, $"{before} rest {count}:00")), new($"{count} sets", (0, typed.Length, $"{count} x {before.TrimStart()}")) }.Where(c => read(c.In(typed)) is null)] };
        }

        if (TimeAt().Match(typed) is { Success: true } timed)
        {
            ShorthandChoice With(string says, string how) => new(says, (timed.Index, timed.Length, $" {how} {timed.Groups["time"].Value}"));
            return problem with { Message = $"{timed.Groups["time"].Value} of rest, or from one start to the next?", Choices = [.. new[] { With("of rest", "rest"), With("from start to start", "every") }.Where(c => read(c.In(typed)) is null)] };
        }

        if (LoadBehind().Match(typed) is { Success: true } loaded && context.Catalogue.Find(loaded.Groups["name"].Value.Trim()) is { Does: Motion.Lift or Motion.Hold } && new[] { "kg", "lb" }.Select(u => new ShorthandChoice($"{loaded.Groups["n"].Value} {u}", (0, typed.Length, $"{loaded.Groups["work"].Value} {loaded.Groups["n"].Value} {u}{loaded.Groups["rest"].Value}"))).Where(c => read(c.In(typed)) is null).ToList() is { Count: > 0 } loads)
        {
            return problem with { Message = $"{loaded.Groups["n"].Value} of what?", Choices = loads };
        }

        if (problem.Choices.Count > MostBefore || problem.Start >= typed.Length)
        {
            return problem;
        }

        bool Helps(ShorthandChoice choice) => read(choice.In(typed)) is not { } left || left.Start > choice.Put.At + choice.Put.Text.Length;
        var ways = new[] { Said(typed, problem) }.Concat(Parted(typed, problem)).OfType<ShorthandChoice>().Where(Helps).Take(1);
        return problem with { Choices = [.. problem.Choices, .. ways] };
    }

    /// <summary>
    /// The line with a remark said to the athlete, where what is not known can be nothing but that: set off by brackets, a comma, a dash or a word that begins a remark, without a
    /// figure, and with no word that means something in a line or in the name of an exercise, or is nearly one. Null where that is not so; then it is asked.
    /// </summary>
    /// <param name="typed">The line as typed.</param>
    /// <param name="problem">Why it is refused.</param>
    /// <param name="context">Known exercises.</param>
    /// <param name="read">Reads a line.</param>
    public static ShorthandReading? Noted(string typed, ShorthandProblem problem, ShorthandContext context, Func<string, ShorthandReading> read)
    {
        foreach (var remark in Remarks().Matches(typed).Where(r => r.Index > 0 && r.Index <= problem.Start && r.Index + r.Length > problem.Start))
        {
            var said = remark.Groups["said"];
            var words = Words().Matches(said.Value).Select(w => w.Value).ToList();
            if (said.Value.Contains('"', StringComparison.Ordinal) || words.Count == 0 || NumberWords.Contains(words[0]) || words.TrueForAll(Little.Contains) || (remark.Groups["bare"].Success ? words.Exists(w => !Little.Contains(w) && !IsManner(w)) : words.Exists(w => !Little.Contains(w) && MeansSomething(w, context)))
                || words.TrueForAll(w => Little.Contains(w) || char.IsUpper(w[0])))
            {
                continue;
            }

            if (read(new ShorthandChoice("", (remark.Index, remark.Length, $", cue \"{said.Value.Trim()}\"")).In(typed)) is { Line: not null } reading)
            {
                return reading;
            }
        }

        return null;
    }

    /// <summary>True for what begins with a number in words.</summary>
    /// <param name="said">What was said.</param>
    public static bool BeginsWithNumber(string said) => Words().Match(said) is { Success: true } first && NumberWords.Contains(first.Value);

    /// <summary>True for what stands in brackets where it is no exercise, no word of the language by itself, and does not begin with how many.</summary>
    /// <param name="said">What stands in the brackets.</param>
    /// <param name="context">Known exercises.</param>
    public static bool IsRemark(string said, ShorthandContext context) =>
        Words().Matches(said).Select(w => w.Value).ToList() is { Count: > 0 } words && !NumberWords.Contains(words[0]) && context.Catalogue.Find(said.Trim()) is null && (words.Count > 1 || !ShorthandWords.IsVocabulary(words[0]))
        && !words.Exists(w => !OfTheBody.Contains(w) && !ShorthandWords.IsVocabulary(w) && !context.Catalogue.Words.Contains(w) && w.Length >= LeastSlip && ShorthandWords.Nearest(w, ShorthandWords.Vocabulary, w.Length) is { } near && char.ToLowerInvariant(near[0]) == char.ToLowerInvariant(w[0]));

    // In a shorter word a slip is too near to other words.
    private const int LeastSlip = 4;

    /// <summary>The question how far, where only how many runs or starts is said; null where that is not so.</summary>
    /// <param name="typed">The line as typed.</param>
    /// <param name="unit">The unit of the lengths that are offered.</param>
    public static ShorthandProblem? LengthAsked(string typed, DistanceUnit unit)
    {
        if (CountAlone().Match(typed) is not { Success: true } often)
        {
            return null;
        }

        var (count, what) = (often.Groups["n"].Value, often.Groups["what"].Value.ToLowerInvariant());
        var how = often.Groups["how"].Success ? " " + often.Groups["how"].Value : "";
        return new(0, typed.Length, $"{count} {(what.EndsWith('s') ? what : what + "s")} of what length?")
        {
            Choices = [.. LengthsOffered.Select(m => new Distance(m, unit)).Select(d => new ShorthandChoice($"{d} each", (0, typed.Length, $"{count} x {d}{how}{often.Groups["rest"].Value}")))],
        };
    }

    private static readonly int[] LengthsOffered = [10, 20, 30];

    // 6 starts; 8 hard sprints, 2 min rest; sprints x 6
    [GeneratedRegex(@"^\s*(?:(?<n>\d{1,2})\s*x?\s*(?:(?<how>hard|max|fast|easy|full|relaxed)\s+)?(?<what>starts|sprints|dashes|runs|accelerations|accels|efforts|bursts|(?<=x\s*)(?:start|sprint|dash|run|acceleration|accel|effort))|(?<what>starts?|sprints?|runs?|accelerations?|accels?)\s*:?\s*(?:x\s*(?<n>\d{1,2})|(?<n>\d{1,2})\s*x(?!\s*\d)))(?![\p{L}\d])(?<rest>(?!.*\d\s*(?:m|yd?s?|yards?|ft|feet|metres?|meters?)(?![\p{L}]))\s*(?:$|[,;@(].*|w/.*|walk.*|(?:rest|with|from|in|at|each|every|on|off|full|for|go)\b.*|\d{1,3}\s*(?:s|secs?|mins?|minutes?|'|"").*|\d{1,2}:[0-5]\d.*))$", RegexOptions.IgnoreCase)]
    private static partial Regex CountAlone();

    // Words without a meaning in a line, of which remarks are made.
    private static readonly HashSet<string> Little = new(["a", "an", "the", "to", "of", "on", "in", "at", "with", "by", "and", "or", "as", "if", "is", "it", "be", "no", "not", "vs", "all", "your", "their", "his", "her", "for", "up", "out", "one", "two", "three", "four", "five", "six"], StringComparer.OrdinalIgnoreCase);

    // Words that say in what manner, and nothing else, which need nothing to set them off.
    private static bool IsManner(string word) => Manners.Contains(word) || (word.Length >= LeastAdverb && word.EndsWith("ly", StringComparison.OrdinalIgnoreCase));

    private static readonly HashSet<string> Manners = new(["smooth", "cruise", "cruising", "snappy", "crisp", "bouncy", "springy", "loose", "powerful", "aggressive", "sharp", "strong", "rhythmic", "increasing", "technical", "flowing", "patient", "upright", "lively", "threshold", "conversational", "film", "filmed"], StringComparer.OrdinalIgnoreCase);

    private const int LeastAdverb = 6;

    // Words of the body and of how it moves, which are said to athletes all day: beside a name or a kit that has them too they are remarks.
    private static readonly HashSet<string> OfTheBody = new(["relax", "face", "jaw", "chin", "head", "eyes", "neck", "shoulders", "chest", "arms", "elbows", "hands", "hips", "knees", "shins", "heels", "toes", "ankles", "feet", "tall", "big", "low", "quick", "soft", "stiff", "push", "drive", "punch", "ground", "contact", "contacts"], StringComparer.OrdinalIgnoreCase);

    // Short words without a vowel are abbreviations of something.
    private static bool MeansSomething(string word, ShorthandContext context) => !OfTheBody.Contains(word) && (
        ShorthandWords.IsVocabulary(word) || context.Catalogue.Find(word) is not null || context.Catalogue.All.Any(e => e.Kit.Any(k => Words().Matches(k).Any(w => word.StartsWith(w.Value, StringComparison.OrdinalIgnoreCase)))) || !word.Any(Vowels.Contains)
        || (ShorthandWords.Nearest(word, ShorthandWords.Vocabulary, LongestSlipping) is { } near && char.ToLowerInvariant(near[0]) == char.ToLowerInvariant(word[0])));

    // Whether a word may be a slip of one that means something is judged more warily than which word to offer.
    private const int LongestSlipping = 4;

    // How many is never a remark.
    private static readonly HashSet<string> NumberWords = new(["two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "twice"], StringComparer.OrdinalIgnoreCase);

    private const string Vowels = "aeiouyAEIOUY";

    [GeneratedRegex(@"\s*\((?<said>[\p{L}\p{M}' -]+)\)|(?:\s*[,;]\s*|\s+[-/]\s+|\s+(?=w/|(?:with|vs|against|until|till|if|like|no|not|without|stay|keep|think|focus|in|on|to)\b))(?:(?:with|w/)\s*)?(?<said>[\p{L}\p{M}'][\p{L}\p{M}' -]*?)\s*(?=$|[,;])|(?<=\d\s*(?:m|yd|yards?|met(?:re|er)s?|mins?|minutes?|%)?)(?<bare>\s+)(?!(?:m|yds?|yards?|met(?:re|er)s?|mins?|minutes?|s|secs?|seconds?|reps?|km|kg|lb|cm)(?![\p{L}]))(?<said>(?-i:\p{Ll})[\p{L}\p{M}' -]*?)\s*(?=$|[,;])", RegexOptions.IgnoreCase)]
    private static partial Regex Remarks();

    [GeneratedRegex(@"[\p{L}\p{M}']+")]
    private static partial Regex Words();

    // Names of people or groups in front, which are no exercise: what follows is for them.
    private static ShorthandChoice? InFront(string typed, ShorthandProblem problem, Func<string, ShorthandProblem?> read)
    {
        if (People().Match(typed) is not { Success: true } names || names.Groups["who"].Index != problem.Start || names.Groups["who"].Length < problem.Length)
        {
            return null;
        }

        var who = string.Join(", ", names.Groups["one"].Captures.Select(c => c.Value));
        var choice = new ShorthandChoice($"for {who}", (0, names.Length, "")) { Ends = $" for {who}" };
        return read(choice.In(typed)) is null ? choice : null;
    }

    // Names of people behind the work.
    private static ShorthandChoice? Behind(string typed, ShorthandProblem problem, Func<string, ShorthandProblem?> read)
    {
        if (PeopleBehind().Match(typed) is not { Success: true } names || names.Groups["who"].Index + names.Groups["who"].Length <= problem.Start)
        {
            return null;
        }

        var who = string.Join(", ", names.Groups["one"].Captures.Select(c => c.Value));
        var choice = new ShorthandChoice($"for {who}", (names.Groups["who"].Index, names.Groups["who"].Length, $" for {who}"));
        return read(choice.In(typed)) is null ? choice : null;
    }

    [GeneratedRegex(@"(?<=\d.*)(?<who>\s*(?:[,(-]\s*)?\b(?<one>\p{Lu}[\p{Ll}'][\p{L}\p{M}'-]*)(?:\s*(?:,|&|/|\+|\band\b)\s*(?<one>\p{Lu}[\p{Ll}'][\p{L}\p{M}'-]*)){0,5}\s*\)?)\s*$")]
    private static partial Regex PeopleBehind();

    [GeneratedRegex(@"^\s*(?<who>(?<one>\p{Lu}[\p{Ll}'][\p{L}\p{M}'-]*)(?:\s*(?:,|&|/|\+|\band\b)\s*(?<one>\p{Lu}[\p{Ll}'][\p{L}\p{M}'-]*)){0,5})\s*:?\s*(?=\d)")]
    private static partial Regex People();

    // One way of going into another over one length: that long each, or both together.
    private static IEnumerable<ShorthandChoice> EachOrInAll(string typed, Match two)
    {
        var (far, unit) = (double.Parse(two.Groups["metres"].ValueSpan, System.Globalization.CultureInfo.InvariantCulture), two.Groups["unit"].Value);
        ShorthandChoice Of(string says, double each) => new(says, (0, typed.Length, string.Create(System.Globalization.CultureInfo.InvariantCulture, $"{two.Groups["n"].Value}{each} {two.Groups["one"].Value} + {each} {unit} {two.Groups["other"].Value}{two.Groups["rest"].Value}")));
        return [Of($"{two.Groups["far"].Value} of each", far), Of($"{two.Groups["far"].Value} in all", far / 2)];
    }

    [GeneratedRegex(@"^\s*(?<one>back[ -]?pedal|shuffle|crossover|jog|skip|walk|bound|hop|march)s?\s+(?:in)?to\s+(?:an?\s+)?(?<other>back[ -]?pedal|shuffle|crossover|jog|sprint|skip|bound|hop|march)s?\s*:?\s*(?<n>\d{1,2}\s*x\s*)(?<far>(?<metres>\d{1,2})\s*(?<unit>m|yd))(?<rest>(?:[,\s].*)?)$", RegexOptions.IgnoreCase)]
    private static partial Regex OneIntoAnother();

    // reverse lunges 3x10 alternating
    [GeneratedRegex(@"^(?<work>\s*\p{L}.*?\d\s*x\s*)(?<n>\d{1,2})(?:\s*reps?)?\s*,?\s*alt(?:ernat(?:e|ing))?\.?(?:\s+(?:legs?|sides?|feet|foot))?(?<rest>\s*(?:(?:,|rest|@|\d{1,3}\s*(?:kg|lb)).*)?)$", RegexOptions.IgnoreCase)]
    private static partial Regex Alternating();

    // 5 x 20 m, 2
    [GeneratedRegex(@"^(?<work>.*\d\s*x\s*\d{1,3}\s*(?:m|yd|yards?|metres?|meters?)),\s*(?<n>[1-9])\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex NumberBehind();

    // flying 20-30 m x 3
    [GeneratedRegex(@"\b(?<fly>fly(?:ing)?)\s+(?<least>\d{1,2})\s*-\s*(?<most>\d{1,2})\s*(?<unit>m|yd)?(?![\p{L}\d])", RegexOptions.IgnoreCase)]
    private static partial Regex FlyBetween();

    // 5 x 20 m @ 2 min
    [GeneratedRegex(@"(?<=\d\s*(?:m|yd)\s*)\s*@\s*(?<time>\d{1,3}\s*(?:mins?|minutes?)|\d{1,2}:[0-5]\d)\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex TimeAt();

    // deadlift 1 x 5 120
    [GeneratedRegex(@"^(?<work>\s*(?<name>\p{L}[\p{L}' -]*?)\s*:?\s*\d{1,2}\s*x\s*\d{1,2})(?:\s*reps?)?\s*[,@]?\s+(?<n>\d{2,3}(?:\.5)?)(?<rest>\s*(?:(?:,|rest).*)?)$", RegexOptions.IgnoreCase)]
    private static partial Regex LoadBehind();

    // Beside more choices than these one more is no help.
    private const int MostBefore = 1;

    // Words, or what stands in brackets, as a cue.
    private static ShorthandChoice? Said(string typed, ShorthandProblem problem)
    {
        var (from, to) = typed[problem.Start] is '(' && typed.IndexOf(')', problem.Start) is > 0 and var close
            ? (problem.Start, close + 1)
            : UnknownWords().Match(typed, problem.Start) is { Success: true } words && words.Index == problem.Start ? (words.Index, words.Index + words.Length) : (0, 0);
        var said = typed[from..to].Trim('(', ')', ' ', ',');
        return said.Length == 0 || typed.Contains('"', StringComparison.Ordinal) ? null : new($"say it: {said}", (from, to - from, $"cue \"{said}\""));
    }

    // Parted before the second piece, at the sign or the word that joins them.
    private static IEnumerable<ShorthandChoice?> Parted(string typed, ShorthandProblem problem)
    {
        foreach (var joint in Joints().Matches(typed).Where(j => j.Index > 0 && j.Index <= problem.Start + problem.Length).OrderByDescending(j => j.Index))
        {
            var (before, after) = (typed[..joint.Index].Trim(), typed[(joint.Index + joint.Length)..].Trim());
            yield return before.Length == 0 || after.Length == 0 ? null : new($"two lines: {before} · {after}", (joint.Index, joint.Length, "; "));
        }
    }

    [GeneratedRegex(@"[\p{L}\p{M}'][\p{L}\p{M}'\d-]*(?:\s+(?!(?:rest|from|each|for|gates?|log|cue|sled|band|with|x)\b)[\p{L}\p{M}'][\p{L}\p{M}'-]*)*", RegexOptions.IgnoreCase)]
    private static partial Regex UnknownWords();

    [GeneratedRegex(@"\s*(?:[,;+&]|\b(?:and|then|into|followed by)\b)\s*|\s+(?=\d+\s*x)", RegexOptions.IgnoreCase)]
    private static partial Regex Joints();
}
