using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;

namespace InchBurst.Core.Check;

/// <summary>A line for somebody whom the squad does not have is nobody's, and that is said.</summary>
public sealed class SomebodyAnswers : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        if (context.Squad.Count == 0)
        {
            yield break;
        }

        foreach (var line in context.Plan.Lines)
        {
            foreach (var word in line.Unanswered(context.Squad))
            {
                var isGroup = word is LineAudience.HighMinutes or LineAudience.LowMinutes;
                var rest = line.For.Count > 1 ? "" : ", so nobody does this line";
                yield return new("nobody answers", Severity.Mind, isGroup ? $"Nobody has {word}{rest}" : $"Nobody is called “{word}”{rest}", isGroup
                    ? "Minutes of the last matches, or the athlete's page, say who does; see Season, Minutes."
                    : "A line is for names of the squad, for first names, or for groups of your own (Season, Calendar).", line.Id)
                {
                    Fixes =
                    [
                        .. (Near(word, context.Squad) is { } near ? new[] { near } : []).Select(n => new PlanFix($"Make it for {n}", Put(context.Plan, line, word, n))),
                        .. line.For.Count > 1 ? new[] { new PlanFix($"Without “{word}”", Put(context.Plan, line, word, null)) } : [new PlanFix("Make it for everyone", context.Plan.Replace(line.Id, line with { For = [] }))],
                    ],
                };
            }
        }
    }

    private static SessionPlan Put(SessionPlan plan, PlanLine line, string word, string? other) => plan.Replace(line.Id, line with { For = [.. line.For.Select(f => f == word ? other : f).OfType<string>().Distinct()] });

    // The name, first name or group that is spelt most nearly so.
    private static string? Near(string word, IReadOnlyList<SquadMember> squad) =>
        ShorthandWords.Nearest(word, squad.SelectMany(m => new[] { m.Name, m.Name.Split(' ')[0] }.Concat(m.Groups)).Distinct(StringComparer.OrdinalIgnoreCase));
}
