using InchBurst.Core.Demand;
using InchBurst.Core.Plan;

namespace InchBurst.Core.Live;

/// <summary>What a step of a line is.</summary>
[System.Text.Json.Serialization.JsonConverter(typeof(System.Text.Json.Serialization.JsonStringEnumConverter<RhythmKind>))]
public enum RhythmKind
{
    /// <summary>Work that ends by the clock.</summary>
    Timed,

    /// <summary>Work that ends when it is done: repetitions.</summary>
    Counted,

    /// <summary>Rest.</summary>
    Rest,
}

/// <summary>A step of a line that everybody does together.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Says">What is called out.</param>
/// <param name="Seconds">How long it takes, or for counted work usually takes, s, above 0.</param>
public sealed record RhythmStep(RhythmKind Kind, string Says, double Seconds);

/// <summary>The rhythm of work that is done together and on the spot: each set and side by itself, with the rests between, and the rest before the next round.</summary>
public static class LiveRhythm
{
    /// <summary>The steps of a line, in order; none for what is run, and for one rep by the clock of the line alone.</summary>
    /// <param name="demand">What the line asks.</param>
    /// <param name="turns">What it asks of those who do it, with the rests.</param>
    /// <param name="place">The line with its round.</param>
    /// <param name="block">Its block.</param>
    public static IReadOnlyList<RhythmStep> Of(LineDemand demand, LineTurns turns, LinePlace place, PlanBlock? block)
    {
        var line = demand.Line;
        if (demand.Course is not null || demand.StillSeconds <= 0 || (line.Turns == 1 && line.Shape is TimedShape && place.Rounds == 1))
        {
            return [];
        }

        var steps = new List<RhythmStep>();
        var kind = line.Shape is CountShape ? RhythmKind.Counted : RhythmKind.Timed;
        string[] sides = line.EachSide ? ["left", "right"] : [""];
        for (var i = 0; i < line.TotalReps; i++)
        {
            var rest = i % line.Reps == 0 ? turns.SetRestSeconds : turns.RestSeconds;
            if (i > 0 && rest > 0)
            {
                steps.Add(new(RhythmKind.Rest, "Rest", rest));
            }

            steps.AddRange(sides.Select(side => new RhythmStep(kind, string.Join(", ", new[] { Name(line, i), side }.Where(w => w.Length > 0)), demand.StillSeconds)));
        }

        // Only who ends a round of several rests before the next one.
        if (block is { RoundRestSeconds: > 0 and var between } && place.Round < place.Rounds && block.Lines[^1].Id == line.Id)
        {
            steps.Add(new(RhythmKind.Rest, $"Rest before round {place.Round + 1}", between));
        }

        return steps;
    }

    private static string Name(PlanLine line, int rep)
    {
        var (set, within) = ((rep / line.Reps) + 1, (rep % line.Reps) + 1);
        var count = line.Shape is CountShape { Count: var n } ? $"{n} {(n == 1 ? "time" : "times")}" : "";
        var which = line.Sets > 1 && line.Reps > 1 ? $"set {set} of {line.Sets}, {within} of {line.Reps}" : line.TotalReps > 1 ? $"{Math.Max(set, within)} of {line.TotalReps}" : "";
        return string.Join(": ", new[] { which, count }.Where(w => w.Length > 0));
    }
}
