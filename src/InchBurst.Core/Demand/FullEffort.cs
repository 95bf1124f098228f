using InchBurst.Core.Plan;

namespace InchBurst.Core.Demand;

/// <summary>Work that pain forbids until the clinician who treats the athlete allows it.</summary>
public static class FullEffort
{
    /// <summary>Least effort in percent that counts: early returns run at 80% (common practice), so that is already too much without leave.</summary>
    public const double FromPercent = 80;

    /// <summary>True for sprints, jumps, lifts, turns and conditioning at 80% or more, and for any helped run.</summary>
    /// <param name="line">The line.</param>
    public static bool Is(PlanLine line) =>
        line.Kind == WorkKind.Assisted
        || (line.HardestEffort >= FromPercent && (line.Kind.IsSprint() || line.Kind is WorkKind.Jumps or WorkKind.Strength or WorkKind.Turn or WorkKind.Conditioning));
}
