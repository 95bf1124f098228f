using InchBurst.Core.Plan;

namespace InchBurst.Core.Catalogue;

/// <summary>Names the kind of work of a line that does not say it: a label for people.</summary>
public static class PlanKinds
{
    private const double TopSpeedFromMetres = 35;
    private const double TempoFromMetres = 90;
    private const double HardPercent = 70;

    /// <summary>The kind that a line's load, exercise and shape make it (common practice).</summary>
    /// <param name="exercise">Exercise of the catalogue, if known.</param>
    /// <param name="exerciseName">Name as written, if any.</param>
    /// <param name="shape">Shape of a rep.</param>
    /// <param name="effort">Effort, if said.</param>
    /// <param name="load">Load, if any.</param>
    /// <param name="goal">What a rep is to be done in, if said: a share of the aerobic speed is conditioning.</param>
    public static WorkKind Derive(Exercise? exercise, string? exerciseName, RepShape shape, Effort? effort, LineLoad? load, LineGoal? goal = null)
    {
        var runs = shape is RunShape && exercise?.Does is null or Motion.Sprint;
        switch (load?.Kind)
        {
            case LoadKind.Lift:
                return WorkKind.Strength;
            case LoadKind.Tow or LoadKind.Downhill when runs:
                return WorkKind.Assisted;
            case LoadKind.Sled or LoadKind.Chain or LoadKind.Parachute or LoadKind.Uphill or LoadKind.Band or LoadKind.Partner or LoadKind.Vest when runs:
                return WorkKind.Resisted;
        }

        if (exercise is not null)
        {
            return exercise.Kind;
        }

        if (goal is { AerobicPercent: not null })
        {
            return WorkKind.Conditioning;
        }

        var hardest = effort?.Hardest ?? 100;
        if (exerciseName is not null || shape is not RunShape run)
        {
            // A time without a name is easy movement unless it is said to be hard; a name that is not known may be anything.
            return shape is not TimedShape || exerciseName is not null ? WorkKind.Drill : effort is not null && hardest >= HardPercent ? WorkKind.Conditioning : WorkKind.Raise;
        }

        if (run.Segments.Any(s => s.Role is SegmentRole.Fly or SegmentRole.Float))
        {
            return WorkKind.MaxVelocity;
        }

        if (run.Segments.Any(s => s.IsTurn))
        {
            return WorkKind.Turn;
        }

        if (run.Segments.Where(s => s.HasIntent).All(s => s.Movement is not (null or Motion.Sprint)))
        {
            return run.Segments.Any(s => s.Movement is Motion.Bound or Motion.Hop) ? WorkKind.Jumps : WorkKind.Drill;
        }

        if (run.Segments.Any(s => s.Role == SegmentRole.Back) || run.IntentMetres >= TempoFromMetres || (hardest < HardPercent && run.IntentMetres > 30))
        {
            return WorkKind.Conditioning;
        }

        return run.IntentMetres >= TopSpeedFromMetres && hardest >= 90 && effort?.Shape != EffortShape.Rise ? WorkKind.MaxVelocity : WorkKind.Acceleration;
    }
}
