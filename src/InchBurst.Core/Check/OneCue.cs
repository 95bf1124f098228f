using InchBurst.Core.Plan;

namespace InchBurst.Core.Check;

/// <summary>One main cue a session, and not the same one every time (common practice).</summary>
public sealed class OneCue : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        var full = context.Demands.Where(d => d.IsFullSprint).Select(d => d.Line).ToList();
        var cues = full.Select(l => l.Cue).OfType<string>().Append(context.Cue).Where(c => c.Length > 0).Distinct(StringComparer.OrdinalIgnoreCase).ToList();
        if (cues.Count > 1)
        {
            var plan = full.Where(l => l.Cue is not null).Aggregate(context.Plan, (p, l) => p.Replace(l.Id, l with { Cue = null }));
            yield return new("cues", Severity.Note, $"{cues.Count} cues on full efforts", "One emphasis a session; the earlier ones are kept alive, not shouted (common practice).")
            {
                Fixes = context.Cue.Length > 0 ? [new("Keep the cue of the day only", plan)] : [],
            };
        }

        if (context.Cue.Length > 0 && context.EarlierCues.Count >= 3 && context.EarlierCues.Take(3).All(c => c.Equals(context.Cue, StringComparison.OrdinalIgnoreCase)))
        {
            yield return new("same cue", Severity.Note, "The same cue for the fourth time", "The emphasis rotates: foot contact, turnover, posture, arms, drive, rise, slowing down (common practice).");
        }
    }
}
