using InchBurst.Core.Load;
using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;

namespace InchBurst.Core.Make;

/// <summary>A load test as lines of a plan: free runs first while everybody is fresh, then light to heavy, full rest (common practice).</summary>
public static class LoadTestLines
{
    /// <summary>The lines of the test alone.</summary>
    public static IReadOnlyList<PlanLine> Lines { get; } =
        [.. new[] { "" }.Concat(LoadTestDay.BodyPercents.Select(p => $" sled {p}%bm")).Select(load => ShorthandLine.Read($"{LoadTestDay.RunsOfEach} x 20 m{load} gates {string.Join(',', LoadTestDay.GatesAt)} m rest 3:00").Line!)];

    /// <summary>A plan with the test put in before its cool-down, or at its end.</summary>
    /// <param name="plan">The plan.</param>
    public static SessionPlan Into(SessionPlan plan)
    {
        var last = plan.Blocks.Count > 0 && plan.Blocks[^1].Lines.All(l => l.Kind == WorkKind.CoolDown) ? plan.Blocks[^1] : null;
        var before = last is null ? plan : plan with { Blocks = [.. plan.Blocks.Take(plan.Blocks.Count - 1)] };
        var with = Lines.Aggregate(before, (p, line) => p.Add(line));
        return last is null ? with : with with { Blocks = [.. with.Blocks, last] };
    }

    /// <summary>A whole session: warm-up, the test, cool-down.</summary>
    public static SessionPlan Session()
    {
        string[] before = ["raise 5 min easy", "activate 3 min", "mobilise 4 min", "A-skip 2 x 15 m", "3 x 20 m @70,80,90% rest walk-back"];
        return before.Select(t => ShorthandLine.Read(t).Line!).Concat(Lines).Append(ShorthandLine.Read("cool-down 5 min").Line!)
            .Aggregate(SessionPlan.Empty, (plan, line) => plan.Add(line, Catalogue.ExerciseCatalogue.BuiltIn.Find(line.Exercise)?.Family));
    }
}
