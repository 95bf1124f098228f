using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Check;

/// <summary>What is not in the catalogue is judged by its shape alone, and that is said.</summary>
public sealed class NotKnown : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        foreach (var line in context.Plan.Lines.Where(l => l.Exercise is not null && context.ExerciseOf(l) is null))
        {
            var run = line.Shape is RunShape;
            yield return new("not known", Severity.Note, $"“{line.Exercise}” is not in the catalogue", run
                ? $"It is judged as running at {Figures.Number(context.DemandOf(line).HardestEffort)}%{(line.Effort is null ? "; say how hard it is" : "")}, or add it under Drills with what the body does."
                : "Nothing is known of what it loads, and it does not count as warm-up. Add it under Drills with what the body does.", line.Id);
        }
    }
}
