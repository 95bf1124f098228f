using InchBurst.Core.Plan;

namespace InchBurst.Core.Movement;

/// <summary>A movement as positions that follow one another and begin anew.</summary>
/// <param name="Keys">The positions, at least two; after the last comes the first.</param>
/// <param name="Seconds">How long one turn of it takes, in s.</param>
public sealed record MovementCycle(IReadOnlyList<Pose> Keys, double Seconds)
{
    // There and back again of what does not travel: common practice.
    private const double ThereAndBackSeconds = 1.8;

    /// <summary>
    /// The cycle of an exercise: what travels leg after leg does on the other side what it did on this one; all else goes there and back. Null where one position alone shows a movement
    /// that does not change sides.
    /// </summary>
    /// <param name="poses">Its positions in order.</param>
    /// <param name="does">What the body does.</param>
    public static MovementCycle? Of(IReadOnlyList<Pose> poses, Motion does)
    {
        if (StepSeconds(does) is { } step && poses.Count > 0)
        {
            return new([.. poses, .. poses.Select(p => p.Mirrored())], 2 * step);
        }

        return poses.Count > 1 ? new([.. poses, .. poses.Skip(1).SkipLast(1).Reverse()], ThereAndBackSeconds) : null;
    }

    /// <summary>The position at a moment, with nothing under the ground.</summary>
    /// <param name="share">Share of the cycle, 0 to 1.</param>
    public Pose At(double share)
    {
        var at = (share - Math.Floor(share)) * Keys.Count;
        var from = (int)at % Keys.Count;
        var pose = Keys[from].Towards(Keys[(from + 1) % Keys.Count], at - Math.Floor(at));
        var low = SideFigure.Of(pose).Lowest;
        return low < 0 ? pose with { HipHeight = pose.HipHeight - low } : pose;
    }

    /// <summary>Time of one step in s of a movement that goes leg after leg (common step rates, from memory: a sprint 4.3 a second, a jog 2.7, a walk 1.9); null for all else.</summary>
    /// <param name="does">What the body does.</param>
    public static double? StepSeconds(Motion does) => does switch
    {
        Motion.Sprint => 0.23,
        Motion.Bound => 0.36,
        Motion.Skip => 0.40,
        Motion.March => 0.60,
        Motion.Jog => 0.37,
        Motion.Backpedal => 0.33,
        Motion.Walk => 0.53,
        _ => null,
    };
}
