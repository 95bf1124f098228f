using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;

namespace InchBurst.Core.Shorthand;

/// <summary>Exercises of a club's own that are made from the line they were first written in.</summary>
public static class OwnExercise
{
    /// <summary>True when a typed line says what kind of work it is.</summary>
    /// <param name="text">The line.</param>
    public static bool IsKindSaid(string text) => text.Contains("\" as ", StringComparison.Ordinal) || WorkKinds.All.Any(k => text.TrimEnd().EndsWith(" as " + k.Word(), StringComparison.OrdinalIgnoreCase));

    /// <summary>The exercise a line with a new name describes: its kind, what it counts, and this dose as the usual one. The coach can say more of it later.</summary>
    /// <param name="line">The line; it has a name.</param>
    public static Exercise From(PlanLine line) => new()
    {
        Name = line.Exercise!,
        Kind = line.Kind,
        Family = "our own",
        Counted = line.Shape switch { RunShape => CountedIn.Metres, TimedShape => CountedIn.Seconds, CountShape { Passes: true } => CountedIn.Passes, _ => CountedIn.Reps },
        Dose = ShorthandPrinter.Dose(line),
        Effort = line.Effort?.Hardest is >= 1 and <= 110 and var said ? said : EffortOf(line.Kind),
        EachSide = line.EachSide,
        For = "An exercise of our own.",
    };

    // How hard such work usually is, percent (common practice).
    private static double EffortOf(WorkKind kind) => kind switch
    {
        WorkKind.Raise or WorkKind.CoolDown => 40,
        WorkKind.Mobilise => 30,
        WorkKind.Drill => 60,
        WorkKind.Strength => 80,
        WorkKind.Conditioning => 70,
        _ => 100,
    };
}
