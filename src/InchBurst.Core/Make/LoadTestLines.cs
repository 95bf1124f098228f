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

    /// <summary>A whole session: warm-up, the test, cool-down.</summary>
    public static SessionPlan Session()
    {
        string[] before = ["raise 5 min easy", "activate 3 min", "mobilise 4 min", "A-skip 2 x 15 m", "3 x 20 m @70,80,90% rest walk-back"];
        return before.Select(t => ShorthandLine.Read(t).Line!).Concat(Lines).Append(ShorthandLine.Read("cool-down 5 min").Line!)
            .Aggregate(SessionPlan.Empty, (plan, line) => plan.Add(line, Catalogue.ExerciseCatalogue.BuiltIn.Find(line.Exercise)?.Family));
    }
}
