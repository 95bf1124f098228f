using InchBurst.Core.Plan;

namespace InchBurst.Core.Catalogue;

/// <summary>Tells what kind of work a line is when it does not say.</summary>
public static class PlanKinds
{
    private const double TopSpeedFromMetres = 35;
    private const double TempoFromMetres = 90;

    /// <summary>The kind that a line's load, exercise and shape make it (common practice).</summary>
    /// <param name="exercise">Exercise of the catalogue, if known.</param>
    /// <param name="exerciseName">Name as written, if any.</param>
    /// <param name="shape">Shape of a rep.</param>
    /// <param name="effort">Effort, if said.</param>
    /// <param name="load">Load, if any.</param>
    public static WorkKind Derive(Exercise? exercise, string? exerciseName, RepShape shape, Effort? effort, LineLoad? load)
    {
        switch (load?.Kind)
        {
            case LoadKind.Lift:
                return WorkKind.Strength;
            case LoadKind.Tow or LoadKind.Downhill:
                return WorkKind.Assisted;
            case LoadKind.Sled or LoadKind.Chain or LoadKind.Parachute or LoadKind.Uphill:
                return WorkKind.Resisted;
            case LoadKind.Band or LoadKind.Vest when shape is RunShape && exercise?.Kind is null or WorkKind.Acceleration or WorkKind.MaxVelocity:
                return WorkKind.Resisted;
        }

        if (exercise is not null)
        {
            return exercise.Kind;
        }

        if (exerciseName is not null || shape is not RunShape run)
        {
            return shape is TimedShape ? WorkKind.Raise : WorkKind.Drill;
        }

        if (run.Segments.Any(s => s.Role is SegmentRole.Fly or SegmentRole.Float))
        {
            return WorkKind.MaxVelocity;
        }

        if (run.Segments.Any(s => s.Role is SegmentRole.Turn or SegmentRole.Cut))
        {
            return WorkKind.Turn;
        }

        var hardest = effort?.Hardest ?? 100;
        if (run.Segments.Any(s => s.Role == SegmentRole.Back) || run.SprintMetres >= TempoFromMetres || (hardest < 70 && run.SprintMetres > 30))
        {
            return WorkKind.Conditioning;
        }

        return run.SprintMetres >= TopSpeedFromMetres && hardest >= 90 && effort?.Rising != true ? WorkKind.MaxVelocity : WorkKind.Acceleration;
    }
}
