using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Check;

/// <summary>A run needs the straight for its metres and room to stop behind it: 20 m from top speed, 10 m after a short start (common practice), and never less than the fastest athlete can stop in by physics.</summary>
public sealed class RoomToRun : IPlanCheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Look(CheckContext context)
    {
        var room = context.StraightMetres + context.RunOutMetres;
        foreach (var line in context.Plan.Lines)
        {
            var typical = context.DemandOf(line);
            if (!typical.IsHardSprint || typical.Course is not { } course)
            {
                continue;
            }

            var far = course.Legs.Where(l => l.HasIntent).Max(l => Math.Max(l.From.X, l.To.X));
            if (far > context.StraightMetres + 1e-6)
            {
                yield return new("room", Severity.Stop, $"{line.Says(far)} of sprint on a {line.Says(context.StraightMetres)} straight", "The fast part must end on the straight.", line.Id);
                continue;
            }

            // Only a run that ends going away from the start line needs the run-out behind the straight.
            var last = course.Legs.Last(l => l.HasIntent);
            if (Math.Cos(last.TravelDegrees * Math.PI / 180) < 0.5)
            {
                continue;
            }

            var stop = context.AthletesOf(line).Select(a => context.DemandOf(line, a).StopMetres).Append(typical.StopMetres).Max();
            var needed = last.To.X + stop;
            if (needed > room + 1e-6)
            {
                yield return new("room", Severity.Stop, $"No room to stop after {line.Says(course.IntentMetres)}", $"Running and stopping take {line.Says(needed)}; straight and run-out give {line.Says(room)}. The run-out must be free of walls and people.", line.Id);
            }
        }
    }
}
