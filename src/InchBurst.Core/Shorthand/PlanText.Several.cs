using System.Text.RegularExpressions;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;

namespace InchBurst.Core.Shorthand;

/// <summary>Several lines written in one row.</summary>
public static partial class PlanText
{
    // Several pieces of work in one row: a length each (10, 20, 30 m), sets that change (5,3,1 @75,85,95% max), or whole lines after one another.
    internal static PlanBlock? Several(string text, ShorthandContext context)
    {
        IReadOnlyList<string> parts = [];
        var settled = LineHabits.BeforeNames.Aggregate(LineText.Of(text), (t, h) => t.Replace(h));
        var typed = settled.Text;
        if (typed.Contains(';', StringComparison.Ordinal) && !text.Contains(';', StringComparison.Ordinal) && !text.Contains('"', StringComparison.Ordinal))
        {
            // A habit of writing one row for two things.
            parts = [.. typed.Split(';', StringSplitOptions.TrimEntries)];
        }
        else if (Lengths().Match(typed) is { Success: true } lengths)
        {
            parts = [.. Numbers().Matches(lengths.Groups["list"].Value).Select(n => $"{lengths.Groups["name"].Value}{lengths.Groups["count"].Value}{n.Value} {lengths.Groups["unit"].Value}{lengths.Groups["rest"].Value}")];
        }
        else if (Sets().Match(typed) is { Success: true } sets && Numbers().Matches(sets.Groups["reps"].Value) is var reps && Numbers().Matches(sets.Groups["shares"].Value) is var shares && reps.Count == shares.Count)
        {
            parts = [.. reps.Zip(shares, (r, s) => $"{sets.Groups["name"].Value}1 x {r.Value} reps @{s.Value}{sets.Groups["rest"].Value}")];
        }
        else if (SharePerSet().Match(typed) is { Success: true } each && Numbers().Matches(each.Groups["shares"].Value) is var perSet && perSet.Count.ToString(System.Globalization.CultureInfo.InvariantCulture) == each.Groups["n"].Value)
        {
            parts = [.. perSet.Select(s => $"{each.Groups["name"].Value}1 x {each.Groups["reps"].Value} reps @{s.Value}{each.Groups["rest"].Value}")];
        }
        else if (LoadPerSet().Match(text) is { Success: true } loads && Numbers().Matches(loads.Groups["loads"].Value) is var perRun && perRun.Count.ToString(System.Globalization.CultureInfo.InvariantCulture) == loads.Groups["n"].Value)
        {
            parts = [.. perRun.Select(l => $"{loads.Groups["name"].Value}{loads.Groups["far"].Value} {l.Value} {loads.Groups["unit"].Value}{loads.Groups["rest"].Value}")];
        }
        else if (Rising().Match(typed) is { Success: true } rising)
        {
            parts = [.. rising.Groups["set"].Captures.Select(c => RisingSet().Match(c.Value)).Select(m => $"{rising.Groups["name"].Value}1 x {m.Groups[1].Value} reps @{m.Groups[2].Value}{(rising.Groups["unit"].Success ? rising.Groups["unit"].Value : "%")}")];
        }
        else if (Doses().Match(typed) is { Success: true } doses)
        {
            var name = doses.Groups["name"].Value.TrimEnd(' ', ':');
            parts = [.. doses.Groups["set"].Captures.Select(c => $"{name} {c.Value}{(name.Length == 0 && char.IsAsciiDigit(c.Value[^1]) ? " m" : "")}{doses.Groups["rest"].Value}")];
        }
        else if (LiftSets().Match(typed) is { Success: true } lifts && context.Catalogue.Find(lifts.Groups["name"].Value.TrimEnd(' ', ':')) is { Counted: CountedIn.Reps } lifted)
        {
            parts = [.. lifts.Groups["set"].Captures.Select(c => $"{lifted.Name} {c.Value} {lifts.Groups["rest"].Value.TrimStart(' ', ',')}")];
        }
        else if (EachTimes().Match(typed) is { Success: true } times)
        {
            parts = [.. times.Groups["length"].Captures.Zip(times.Groups["n"].Captures, (l, n) => $"{n.Value} x {l.Value}{times.Groups["rest"].Value}")];
        }
        else if (FallingReps().Match(typed) is { Success: true } falling && context.Catalogue.Find(falling.Groups["name"].Value.TrimEnd(' ', ':')) is { Counted: CountedIn.Reps } lift)
        {
            // Sets of fewer and fewer: those of one number beside each other are one line.
            var runs = new List<(string Reps, int Sets)>();
            foreach (var count in falling.Groups["reps"].Captures.Select(c => c.Value))
            {
                if (runs.Count > 0 && runs[^1].Reps == count)
                {
                    runs[^1] = (count, runs[^1].Sets + 1);
                }
                else
                {
                    runs.Add((count, 1));
                }
            }

            parts = runs.ConvertAll(r => $"{lift.Name} {r.Sets} x {r.Reps} reps{falling.Groups["rest"].Value}");
        }
        else if (NamesOfOneDose(text, context) is { Count: > 1 } named)
        {
            parts = named;
        }
        else if (typed == LineText.Of(text).Text || !typed.Contains('"', StringComparison.Ordinal))
        {
            parts = [.. WholeLines().Split(text).Select(p => p.Trim().TrimEnd(',')).Where(p => p.Length > 0)];
        }

        // Another word for what was said is no second piece of work.
        parts = [.. parts.Where((p, i) => i == 0 || p.Any(char.IsAsciiDigit) || context.Catalogue.Find(p.Trim()) is not { } again || ShorthandLine.Plainly(settled.Spelt(parts[i - 1]), context).Line?.Exercise != again.Name)];
        if (parts.Count == 1 && ShorthandLine.Plainly(settled.Spelt(parts[0]), context).Line is { } once)
        {
            return Alone(once, context);
        }

        if (parts.Count is < 2 or > MostParts)
        {
            return null;
        }

        var lines = parts.Select(p => ShorthandLine.Plainly(settled.Spelt(p), context).Line).OfType<PlanLine>().ToList();
        if (lines.Skip(1).Any(l => l is { Exercise: null, Shape: TimedShape, TotalReps: 1 }))
        {
            // A time alone behind a piece of work is more likely its rest than work of its own.
            return null;
        }

        if (lines.Count == parts.Count && lines.Skip(1).Select((l, i) => l is { Exercise: null, Shape: RunShape } && !parts[i].Any(char.IsAsciiDigit) && OfEach().IsMatch(parts[i + 1])).Any(isTheirs => isTheirs))
        {
            // So much of each behind names without a dose is theirs, and no run of its own.
            return null;
        }

        return lines.Count == parts.Count ? new PlanBlock(0, PlanEdits.TitleFor(lines[0], context.Catalogue.Find(lines[0].Exercise)?.Family), lines) : null;
    }

    private const int MostParts = 12;

    // A skip, B skip and C skip 2 x 20 m: names of one sort of work with one dose behind them, which is for each.
    private static List<string> NamesOfOneDose(string text, ShorthandContext context)
    {
        // Dribbles: ankle, calf, knee 10 m each: the noun stands in front.
        text = LineHabits.WithoutHeading(text);
        text = DoseFirst().Replace(text, m => $"{m.Groups["list"].Value} {m.Groups["dose"].Value}");
        return Named(text, context) is { Count: > 1 } names ? names : Named(NounFirst().Replace(text, m => $"{m.Groups["list"].Value} {m.Groups["noun"].Value} "), context);
    }

    private static List<string> Named(string text, ShorthandContext context)
    {
        if (NamesThenDose().Match(text) is not { Success: true } found)
        {
            return [];
        }

        var names = found.Groups["name"].Captures.Select(c => c.Value.Trim()).ToList();
        // Ankle/calf/knee dribbles: the noun is said once.
        var noun = names[^1].Contains(' ', StringComparison.Ordinal) ? names[^1][(names[^1].LastIndexOf(' ') + 1)..] : "";
        names = names.ConvertAll(n => context.Catalogue.Find(n) is null && context.Catalogue.Find($"{n} {noun}") is not null ? $"{n} {noun}" : n);
        var known = names.ConvertAll(n => context.Catalogue.Find(n));
        return known.TrueForAll(e => e is not null && (known.Count > 2 || e.Kind == known[0]?.Kind)) && known.Distinct().Count() == known.Count ? names.ConvertAll(n => $"{n} {EachOfThem().Replace(found.Groups["dose"].Value, "")}") : [];
    }

    // 2 x 20 m: A skip, B skip, high knees
    [GeneratedRegex(@"^\s*(?:drills?\s*:?\s*)?(?<dose>\d{1,2}\s*x\s*\d{1,3}\s*(?:m|yd|s|reps?)?(?:\s+each)?)(?:\s*(?::|\bof\b)\s*|\s+)(?<list>\p{L}[\p{L}' -]*(?:\s*(?:,|/|&|\+|\band\b)\s*\p{L}[\p{L}' -]*)+)$", RegexOptions.IgnoreCase)]
    private static partial Regex DoseFirst();

    [GeneratedRegex(@"^\s*(?<name>[\p{L}][\p{L}' -]*?)(?:\s*(?:,|/|&|\+|\band\b)\s*(?<name>[\p{L}][\p{L}' -]*?))+\s*:?\s*(?:x\s*)?(?<dose>(?!\d+\s*min)\d.*)$", RegexOptions.IgnoreCase)]
    private static partial Regex NamesThenDose();

    [GeneratedRegex(@"^\s*(?<noun>[\p{L}][\p{L}-]*)\s*(?::|\s)\s*(?<list>[\p{L}][\p{L}' -]*(?:(?:,|/|&|\+|\band\b)\s*[\p{L}][\p{L}' -]*)+?)\s*(?=\d)", RegexOptions.IgnoreCase)]
    private static partial Regex NounFirst();

    [GeneratedRegex(@"(?<=\d\s*(?:m|yd)?)\s*(?:of\s+)?each\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex EachOfThem();

    [GeneratedRegex(@"\beach\b", RegexOptions.IgnoreCase)]
    private static partial Regex OfEach();

    // back squat 5 @ 70, 3 @ 80, 1 @ 90
    [GeneratedRegex(@"^\s*(?<name>[\p{L}'\s-]+?\s*:?\s*)(?<set>\d{1,2}\s*(?:reps?)?\s*@\s*\d+)(?:\s*(?<unit>%|kg|lb))?(?:\s*[,/]\s*(?<set>\d{1,2}\s*(?:reps?)?\s*@\s*\d+)(?:\s*(?<unit>%|kg|lb))?)+\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex Rising();

    // 2x10 2x20 2x30; 3-point starts 3 x 10, 3 x 20 m rest 2:00
    [GeneratedRegex(@"^\s*(?<name>(?:from\s+[\w-]+\s+)?(?:[\p{L}'][\p{L}'\s-]*?)?\s*:?\s*)(?<set>\d{1,2}\s*x\s*\d{1,3}\s*(?:m|yd)?)(?:(?:\s*(?:[,&+/]|and\b)\s*|\s+)(?<set>\d{1,2}\s*x\s*\d{1,3}\s*(?:m|yd)?)){1,7}(?<rest>(?:\s*,?\s*(?:rest|@|w/|with|walk|from|full|at|\d{2,3}(?:-\d{2,3})?\s*%)\b?.*)?)\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex Doses();

    // squat 1x5 60%, 1x3 75%, 3x2 85%
    [GeneratedRegex(@"^\s*(?<name>[\p{L}'][\p{L}' -]*?\s*:?\s*)(?<set>\d{1,2}\s*x\s*\d{1,2}\s*(?:@|at)?\s*\d{2,3}\s*(?:%|kg|lb))(?:\s*(?:[,;&+/]|and|then)\s*(?<set>\d{1,2}\s*x\s*\d{1,2}\s*(?:@|at)?\s*\d{2,3}\s*(?:%|kg|lb))){1,7}(?<rest>\s*(?:,?\s*rest\b.*)?)$", RegexOptions.IgnoreCase)]
    private static partial Regex LiftSets();

    // 10 m x 4 + 20 m x 3 + 30 m x 2
    [GeneratedRegex(@"^\s*(?:(?:accel\p{L}*|sprints?|runs?)\s*:?\s*)?(?<length>\d{1,3}\s*(?:m|yd))\s*x\s*(?<n>\d{1,2})(?:(?:\s*(?:[,;+&/]|and|then)\s*|\s+)(?<length>\d{1,3}\s*(?:m|yd))\s*x\s*(?<n>\d{1,2})){1,7}(?<rest>\s*(?:,?\s*(?:rest|@|with|walk|full)\b?.*)?)$", RegexOptions.IgnoreCase)]
    private static partial Regex EachTimes();

    // back squat 5,5,3,3,1; deadlift 5/3/1
    [GeneratedRegex(@"^\s*(?<name>[\p{L}'][\p{L}' -]*?)\s*:?\s*(?<reps>\d{1,2})(?:\s*[,/-]\s*(?<reps>\d{1,2})){2,9}\s*(?:reps)?(?<rest>\s*(?:,?\s*(?:rest|heavy|light)\b.*|,?\s*@?\s*\d{2,3}(?:\s*-\s*\d{2,3})?\s*%.*|[\uE200-\uE2FF])?)$", RegexOptions.IgnoreCase)]
    private static partial Regex FallingReps();

    [GeneratedRegex(@"(\d+)\D+(\d+)")]
    private static partial Regex RisingSet();

    // 2 x 10, 20, 30 m @95%; accelerations 10-20-30 m
    [GeneratedRegex(@"^\s*(?<name>from\s+[\w-]+\s+|[\p{L}][\p{L}'\s-]*?\s*:?\s*)?(?<count>\d{1,2}\s*x\s*)?(?<list>\d+(?:\s*(?:m|yd)?\s*,\s*\d+)+(?:\s*(?:m|yd)?\s*(?:,|and|&)\s*\d+)?|\d+(?:\s*[-/]\s*\d+){2,})\s*(?<unit>m|metres?|meters?|yd|yds|yards?)\b(?<rest>.*)$", RegexOptions.IgnoreCase)]
    private static partial Regex Lengths();

    // squat 5,3,1 @75,85,95% max
    [GeneratedRegex(@"^\s*(?<name>[\p{L}'\s-]+?\s*)(?<reps>\d+(?:\s*[,/-]\s*\d+)+)\s*(?:reps?)?\s*(?:@|at)?\s*(?<shares>\d+(?:\s*[,/-]\s*\d+)+)(?<rest>\s*(?:%|kg|lb).*)$", RegexOptions.IgnoreCase)]
    private static partial Regex Sets();

    // sled 3 x 10 m 50/60/70 kg
    [GeneratedRegex(@"^\s*(?<name>[\p{L}'][\p{L}' -]*?\s*:?\s*)(?<n>[2-9])\s*x\s*(?<far>\d{1,2}\s*(?:m|yd|yards?|metres?|meters?))\s*,?\s*(?:@|at|with|sled)?\s*(?<loads>\d{1,3}(?:\s*(?:kg|lb)?\s*[,/]\s*\d{1,3}){1,8})\s*(?<unit>kg|lb)s?\b(?<rest>[^;]*)$", RegexOptions.IgnoreCase)]
    private static partial Regex LoadPerSet();

    // clean 3x3 @ 70, 75, 80%; two with a dash between are a range
    [GeneratedRegex(@"^\s*(?<name>[\p{L}'][\p{L}' -]*?\s*:?\s*)(?<n>[2-9])\s*x\s*(?<reps>\d{1,2})\s*(?:reps?)?\s*,?\s*(?:@|at)?\s*(?<shares>\d{2,3}(?:(?:\s*%?\s*[,/]\s*\d{2,3}){1,8}|(?:\s*-\s*\d{2,3}){2,8}))(?<rest>\s*(?:%|kg|lb)[^;]*)$", RegexOptions.IgnoreCase)]
    private static partial Regex SharePerSet();

    [GeneratedRegex(@"\d+")]
    private static partial Regex Numbers();

    [GeneratedRegex(@"\s*(?:;|-+>|=+>|→|\s/\s(?=\d+\s*(?:m|yd)?\s*x|group\s|\p{L}{3,}\s+\d{1,2}\s*x|(?=[^/]*\d)(?:\p{L}{3,}\s+){1,3}\d|[abc][ -]?skip)|(?<=(?:\b|\d)min(?:s|utes?)?\s*(?:\p{L}{3,12}\s*)?)\+(?=\s*\p{L})|(?<=^\s*\p{L}[^+\d]*\d{2,4}\s*m\s*)\+(?=\s*\p{L}{4})|\+(?=\s*\d{1,2}\s*(?:x|free|sled)\s*\d|\s*(?:free\s+)?(?:sprint|free|flat|sled|band|hill)s?\s+\d{1,3}\s*(?:m|yd|x\s*\d))|,(?=\s*(?:\d{1,2}\s*min(?:ute)?s?\s+(?:of\s+)?(?:stretch|static|core|drill|mobil|skip|bike|cycl|foam|warm|cool|game|strides)\p{L}*|505\b|\d{1,2}-\d{1,2}-\d{1,2}\s*x|\d+\s*x|\d+\s*m\s*x|\d{1,2}\s+(?!(?:min|sec|rest|reps?|sets?|rounds?|kg|lb|cm|each|per|times)\p{L}*\b)\p{L}{3,}|(?!(?:rest|recovery|gates?|for|each|per|log|cue|from|through|at|with|walk[ -]?back|in|as|timed|full|easy|left|right|both)\b)\p{L}|\d{1,3}\s*(?:m|yd)\s*(?:@|(?:sprint|dash|jog)\p{L}*\b)))|(?<=\d[^+]*)\+(?=\s*(?!(?:turn|cut)\b)\p{L}+[ -]?\p{L}{2}[^+]*\d)|\bthen\b|\bfollowed by\b)\s*", RegexOptions.IgnoreCase)]
    private static partial Regex WholeLines();
}
