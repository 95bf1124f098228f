using InchBurst.Core.Load;
using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Units;

namespace InchBurst.Core.Check;

/// <summary>A sled or chain of which only a word, or nothing, is said: it is taken for what is usual, and asked about.</summary>
public sealed class HowHeavy : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        foreach (var demand in context.Demands.Where(d => d is { IsResisted: true, Load.Measured: false, Line.Load.Kind: LoadKind.Sled or LoadKind.Chain }))
        {
            var line = demand.Line;
            var slower = demand.Load.DecrementPercent;
            var aim = LoadAim.Offered(context.School["load.heaviest"]).MinBy(a => Math.Abs(a.Usual - slower))!;
            yield return new("howheavy", Severity.Note, $"How heavy is “{ShorthandPrinter.LoadText(line.Load)}”?",
                $"Taken as about {Figures.Number(slower)}% slower until it is said. What is really pulled is kept with each run.", line.Id)
            {
                Fixes = [new(aim.Name, context.Plan.Replace(line.Id, line with { Load = new(line.Load!.Kind, 0, aim.Unit) }))],
            };
        }
    }
}
