using System.Text.RegularExpressions;
using InchBurst.Core.Plan;

namespace InchBurst.Core.Shorthand;

/// <summary>Several lines written in one row.</summary>
public static partial class PlanText
{
    // Several pieces of work in one row: a length each (10, 20, 30 m), sets that change (5,3,1 @75,85,95% max), or whole lines after one another.
    private static PlanBlock? Several(string text, ShorthandContext context)
    {
        IReadOnlyList<string> parts = [];
        var typed = LineHabits.BeforeNames.Aggregate(LineText.Of(text), (t, h) => t.Replace(h.Pattern, h.With)).Text;
        if (Lengths().Match(typed) is { Success: true } lengths)
        {
            parts = [.. Numbers().Matches(lengths.Groups["list"].Value).Select(n => $"{lengths.Groups["name"].Value}{lengths.Groups["count"].Value}{n.Value} {lengths.Groups["unit"].Value}{lengths.Groups["rest"].Value}")];
        }
        else if (Sets().Match(typed) is { Success: true } sets)
        {
            var (reps, shares) = (Numbers().Matches(sets.Groups["reps"].Value), Numbers().Matches(sets.Groups["shares"].Value));
            parts = reps.Count == shares.Count ? [.. reps.Zip(shares, (r, s) => $"{sets.Groups["name"].Value}1 x {r.Value} reps @{s.Value}{sets.Groups["rest"].Value}")] : [];
        }
        else if (typed == LineText.Of(text).Text || !typed.Contains('"', StringComparison.Ordinal))
        {
            parts = WholeLines().Split(text);
        }

        if (parts.Count is < 2 or > MostParts)
        {
            return null;
        }

        var lines = parts.Select(p => ShorthandLine.Read(p, context).Line).OfType<PlanLine>().ToList();
        return lines.Count == parts.Count ? new PlanBlock(0, PlanEdits.TitleFor(lines[0], context.Catalogue.Find(lines[0].Exercise)?.Family), lines) : null;
    }

    private const int MostParts = 12;

    // 2 x 10, 20, 30 m @95%; accelerations 10-20-30 m
    [GeneratedRegex(@"^\s*(?<name>[\p{L}][\p{L}'\s-]*?\s*:?\s*)?(?<count>\d{1,2}\s*x\s*)?(?<list>\d+(?:\s*,\s*\d+)+(?:\s*(?:,|and|&)\s*\d+)?|\d+(?:\s*[-/]\s*\d+){2,})\s*(?<unit>m|metres?|meters?|yd|yds|yards?)\b(?<rest>.*)$", RegexOptions.IgnoreCase)]
    private static partial Regex Lengths();

    // squat 5,3,1 @75,85,95% max
    [GeneratedRegex(@"^\s*(?<name>[\p{L}'\s-]+?\s*)(?<reps>\d+(?:\s*[,/]\s*\d+)+)\s*(?:reps?)?\s*(?:@|at)?\s*(?<shares>\d+(?:\s*[,/]\s*\d+)+)(?<rest>\s*(?:%|kg|lb).*)$", RegexOptions.IgnoreCase)]
    private static partial Regex Sets();

    [GeneratedRegex(@"\d+")]
    private static partial Regex Numbers();

    [GeneratedRegex(@"\s*(?:;|(?<=\bmin(?:s|utes?)?\s*)\+(?=\s*\p{L})|,(?=\s*(?:\d+\s*x|\d+\s*m\s*x|\p{L}|\d{1,3}\s*(?:m|yd)\s*(?:sprint|dash|jog)\p{L}*\b))|\bthen\b|\bfollowed by\b)\s*", RegexOptions.IgnoreCase)]
    private static partial Regex WholeLines();
}
