using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Core.Rest;
using InchBurst.Core.School;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Units;

namespace InchBurst.Core.Make;

/// <summary>A line in words.</summary>
public static class LineWords
{
    /// <summary>A line's dose with what sets it apart: effort and load.</summary>
    /// <param name="line">The line.</param>
    public static string DoseText(PlanLine line) => ShorthandPrinter.Dose(line).Replace(" x ", " × ", StringComparison.Ordinal)
        + (line.Effort is null ? "" : ", " + ShorthandPrinter.EffortText(line.Effort).TrimStart('@')) + (line.Goal is null ? "" : ", " + ShorthandPrinter.GoalText(line.Goal)) + (line.Load is null ? "" : ", " + ShorthandPrinter.LoadText(line.Load));

    /// <summary>A load as it is said: "30% of body mass", "sled 20% slower", "sled 12 kg".</summary>
    /// <param name="load">The load.</param>
    public static string LoadWords(LineLoad load)
    {
        var text = ShorthandPrinter.LoadText(load);
        return load.Unit switch
        {
            LoadUnit.PercentBodyMass => text.Replace("%bm", "% of body mass", StringComparison.Ordinal),
            LoadUnit.PercentSpeed => text.Replace(load.Amount < 0 ? "-" : "+", "", StringComparison.Ordinal).Replace("%v", load.Amount < 0 ? "% slower" : "% faster", StringComparison.Ordinal),
            _ => text,
        };
    }

    /// <summary>A line in words, piece by piece.</summary>
    /// <param name="demand">The line with what it asks.</param>
    /// <param name="school">School whose rest holds where none is written; null means the usual one.</param>
    public static IReadOnlyList<string> Of(LineDemand demand, CoachingSchool? school = null)
    {
        var line = demand.Line;
        var words = new List<string>();
        if (line.Sets > 1)
        {
            words.Add($"{Range(line.Least?.Sets, line.Sets)} sets");
        }

        words.Add(line.Reps == 1 ? "once" : line is { Sets: 1, Shape: CountShape { Passes: false } } ? $"{Range(line.Least?.Reps, line.Reps)} sets" : $"{Range(line.Least?.Reps, line.Reps)} reps");
        words.AddRange(line.Shape switch
        {
            RunShape run => run.Segments.Select(s => s.IsTurn
                ? $"{s.Role.ToString().ToLowerInvariant()} {Figures.Number(s.AngleDegrees ?? 180)}°{(s.Side is { } side ? " " + side.ToString().ToLowerInvariant() : "")}"
                : (s.Role == SegmentRole.Run ? "" : s.Role.ToString().ToLowerInvariant() + " ") + s.Length + (s.Movement is { } movement ? " " + movement.ToString().ToLowerInvariant() : "")),
            TimedShape time => [Figures.Clock(time.Seconds)],
            CountShape count => [count.Passes ? $"{count.Count} passes" : $"{count.Count} per set"],
            _ => [],
        });
        if (line.Least?.Shape is { } shortest)
        {
            words.Add($"from {ShorthandPrinter.ShapeText(shortest)}, judged at the harder end");
        }

        if (line.EachSide)
        {
            words.Add("each side");
        }

        if (line.Effort is { } effort)
        {
            words.Add(effort.Shape switch
            {
                EffortShape.Rise => $"rising to {Figures.Number(effort.Hardest)}%",
                EffortShape.Band => $"between {Figures.Number(effort.Percents[0])} and {Figures.Number(effort.Percents[1])}%, judged at {Figures.Number(effort.Hardest)}%",
                _ => string.Join(", ", effort.Percents.Select(p => Figures.Number(p, 1))) + "%",
            });
        }

        if (line.Goal is { } goal)
        {
            words.Add(goal.AerobicPercent is null ? $"each {ShorthandPrinter.GoalText(goal)}, about {Figures.Number(demand.HardestEffort)}%" : ShorthandPrinter.GoalText(goal) + " speed");
        }

        if (line.Start is not null)
        {
            words.Add("from " + ShorthandPrinter.StartText(line.Start));
        }

        if (line.Effort is null && line.Goal is null && line.Exercise is not null && demand.Exercise is null && line.Shape is RunShape)
        {
            words.Add($"not in the catalogue, so taken as running at {Figures.Number(demand.HardestEffort)}%");
        }

        if (line.Load is not null)
        {
            words.Add(LoadWords(line.Load));
        }

        if (line.Gates.Count > 0)
        {
            words.Add("gates at " + ShorthandPrinter.List(line.Gates));
        }

        if (line.Through is not null)
        {
            words.Add($"run {line.Through} past the line");
        }

        if (line.Rest is not null)
        {
            words.Add("rest " + ShorthandPrinter.RestText(line.Rest));
        }
        else if (line.TotalReps > 1 && RestRules.ByRule(demand, school ?? CoachingSchool.Usual) is { Seconds: > 0 } rule)
        {
            words.Add($"rest {Figures.Clock(rule.Seconds)} by rule");
        }

        if (line.InWaves)
        {
            words.Add("in waves");
        }

        if (line.For.Count > 0)
        {
            words.Add("for " + string.Join(", ", line.For));
        }

        if (line.Cue is not null)
        {
            words.Add($"cue “{line.Cue}”");
        }

        return words;
    }

    private static string Range(int? least, int most) => least is { } l ? $"{l} to {most}" : Figures.Number(most);
}
