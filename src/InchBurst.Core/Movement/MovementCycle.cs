using InchBurst.Core.Plan;

namespace InchBurst.Core.Movement;

/// <summary>A movement as positions that follow one another and begin anew.</summary>
/// <param name="Keys">The positions, at least two, all seen from the same side; after the last comes the first.</param>
/// <param name="Seconds">How long one turn of it takes, in s.</param>
public sealed record MovementCycle(IReadOnlyList<BodyPose> Keys, double Seconds)
{
    // There and back again of what does not travel: common practice.
    private const double ThereAndBackSeconds = 1.8;

    // Steps that follow one another sideways: as a jog's, from memory.
    private const double SidewaysSeconds = 0.37;

    /// <summary>
    /// The cycle of an exercise: what travels leg after leg does on the other side what it did on this one; all else goes there and back. Null where one position alone shows a movement
    /// that does not change sides. Positions that are seen from another side than the first are left out.
    /// </summary>
    /// <param name="poses">Its positions in order.</param>
    /// <param name="does">What the body does.</param>
    public static MovementCycle? Of(IReadOnlyList<BodyPose> poses, Motion does)
    {
        List<Pose> side = [.. poses.OfType<Pose>()];
        if (StepSeconds(does) is { } step && side.Count > 0)
        {
            return new([.. side, .. side.Select(p => p.Mirrored())], 2 * step);
        }

        // What runs and is drawn from the front shows one moment of a run: a cut, a bend.
        List<BodyPose> seen = side.Count > 0 ? [.. side] : StepSeconds(does) is null ? [.. poses.OfType<FrontPose>()] : [];
        List<BodyPose> keys = [.. seen, .. seen.Skip(1).SkipLast(1).Reverse()];
        return keys.Count > 1 ? new(keys, does is Motion.Shuffle or Motion.Crossover ? keys.Count * SidewaysSeconds : ThereAndBackSeconds) : null;
    }

    /// <summary>The position at a moment, with nothing under the ground.</summary>
    /// <param name="share">Share of the cycle, 0 to 1.</param>
    public BodyPose At(double share)
    {
        var at = (share - Math.Floor(share)) * Keys.Count;
        var from = (int)at % Keys.Count;
        return (Keys[from], Keys[(from + 1) % Keys.Count], at - Math.Floor(at)) switch
        {
            (Pose one, Pose next, var on) => PoseHand.Grounded(one.Towards(next, on)),
            (FrontPose one, FrontPose next, var on) => FrontFigure.Of(one.Towards(next, on)) is var f && f.Lowest < f.Ground ? f.Pose with { HipHeight = -f.Lowest } : f.Pose,
            var (one, _, _) => one,
        };
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
