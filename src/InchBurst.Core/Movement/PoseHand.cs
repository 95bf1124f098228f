namespace InchBurst.Core.Movement;

/// <summary>A place of the body by which a coach poses it.</summary>
public enum PoseJoint
{
    /// <summary>Centre of the hips: how high the whole body is.</summary>
    Hip,

    /// <summary>Shoulders: lean of the trunk.</summary>
    Trunk,

    /// <summary>The head.</summary>
    Head,

    /// <summary>Knee towards the viewer: its thigh.</summary>
    NearKnee,

    /// <summary>Ankle towards the viewer: its shank.</summary>
    NearAnkle,

    /// <summary>Ball of the foot towards the viewer.</summary>
    NearFoot,

    /// <summary>Toes towards the viewer.</summary>
    NearToe,

    /// <summary>The other knee.</summary>
    FarKnee,

    /// <summary>The other ankle.</summary>
    FarAnkle,

    /// <summary>Ball of the other foot.</summary>
    FarFoot,

    /// <summary>Toes of the other foot.</summary>
    FarToe,

    /// <summary>Elbow towards the viewer: its upper arm.</summary>
    NearElbow,

    /// <summary>Wrist towards the viewer: its forearm.</summary>
    NearWrist,

    /// <summary>Hand towards the viewer.</summary>
    NearHand,

    /// <summary>The other elbow.</summary>
    FarElbow,

    /// <summary>The other wrist.</summary>
    FarWrist,

    /// <summary>The other hand.</summary>
    FarHand,
}

/// <summary>Poses a body by its joints: what hangs on a part goes with it, no joint goes further than a body does, and nothing goes under the ground.</summary>
public static class PoseHand
{
    /// <summary>Most clear air under a body, as a share of stature.</summary>
    public const double MostLift = 0.5;

    /// <summary>Where a joint is taken hold of.</summary>
    /// <param name="figure">The body.</param>
    /// <param name="joint">The joint.</param>
    public static Spot Place(SideFigure figure, PoseJoint joint) => joint switch
    {
        PoseJoint.Hip => figure.Hip,
        PoseJoint.Trunk => figure.Shoulder,
        PoseJoint.Head => figure.Head,
        <= PoseJoint.FarToe => Joints(IsNear(joint) ? figure.Near : figure.Far)[PartOf(joint)],
        _ => Joints(IsNear(joint) ? figure.NearArm : figure.FarArm)[PartOf(joint)],
    };

    /// <summary>What a joint stands at: degrees, or of the hips their clear air as a share of stature.</summary>
    /// <param name="pose">The position.</param>
    /// <param name="joint">The joint.</param>
    public static double Stands(Pose pose, PoseJoint joint) => joint switch
    {
        PoseJoint.Hip => pose.Support == Support.HipHeight ? pose.HipHeight : pose.Lift,
        PoseJoint.Trunk => pose.Trunk,
        PoseJoint.Head => pose.Neck,
        <= PoseJoint.FarToe => Angles(IsNear(joint) ? pose.Near : pose.Far)[PartOf(joint)],
        _ => Angles(IsNear(joint) ? pose.NearArm : pose.FarArm)[PartOf(joint)],
    };

    /// <summary>How far a joint goes; of the hips in shares of stature, of all else in degrees.</summary>
    /// <param name="joint">The joint.</param>
    public static JointRange Range(PoseJoint joint) => joint switch
    {
        PoseJoint.Hip => new("hips", 0, MostLift, "as high as a jump"),
        PoseJoint.Trunk => new("trunk", -180, 180, "any way up"),
        PoseJoint.Head => JointRange.Neck,
        <= PoseJoint.FarToe => new[] { JointRange.Hip, JointRange.Knee, JointRange.Ankle, JointRange.Toe }[PartOf(joint)],
        _ => new[] { JointRange.Shoulder, JointRange.Elbow, JointRange.Wrist }[PartOf(joint)],
    };

    /// <summary>The position with a joint standing at something else; as far towards it as a body goes.</summary>
    /// <param name="pose">The position.</param>
    /// <param name="joint">The joint.</param>
    /// <param name="at">Degrees, or of the hips a share of stature.</param>
    public static Pose Set(Pose pose, PoseJoint joint, double at)
    {
        if (joint == PoseJoint.Hip)
        {
            var up = Math.Clamp(at, 0, MostLift);
            return pose.Support == Support.HipHeight ? pose with { HipHeight = up } : pose with { Lift = up };
        }

        if (joint == PoseJoint.Trunk)
        {
            return Leaned(pose, BodyAngles.Wrapped(at));
        }

        var to = Range(joint).Nearest(at);
        if (joint == PoseJoint.Head)
        {
            return pose with { Neck = to };
        }

        if (joint <= PoseJoint.FarToe)
        {
            var leg = Angles(IsNear(joint) ? pose.Near : pose.Far);
            leg[PartOf(joint)] = to;
            var turned = new LegAngles(leg[0], leg[1], leg[2], leg[3]);
            return IsNear(joint) ? pose with { Near = turned } : pose with { Far = turned };
        }

        var arm = Angles(IsNear(joint) ? pose.NearArm : pose.FarArm);
        arm[PartOf(joint)] = to;
        var bent = new ArmAngles(arm[0], arm[1], arm[2]);
        return IsNear(joint) ? pose with { NearArm = bent } : pose with { FarArm = bent };
    }

    /// <summary>The position with a joint drawn to a place, or as near to it as the part it ends reaches: lengths stay as they are.</summary>
    /// <param name="pose">The position.</param>
    /// <param name="joint">The joint.</param>
    /// <param name="to">The place; x forward of the hip, y above the ground, in shares of stature.</param>
    public static Pose Drawn(Pose pose, PoseJoint joint, Spot to)
    {
        // As it is seen: lifted where a part of it would be under the ground.
        var shown = Grounded(pose);
        var figure = SideFigure.Of(shown);
        return Set(pose, joint, joint switch
        {
            PoseJoint.Hip => Stands(shown, joint) + to.Y - figure.Hip.Y,
            PoseJoint.Trunk => BodyAngles.Trunk(figure.Hip, to),
            PoseJoint.Head => pose.Trunk + SideFigure.HeadAhead - BodyAngles.Trunk(figure.Neck, to),
            <= PoseJoint.FarToe => LegDrawn(pose.Trunk, IsNear(joint) ? figure.Near : figure.Far, PartOf(joint), to),
            _ => ArmDrawn(pose.Trunk, IsNear(joint) ? figure.NearArm : figure.FarArm, IsNear(joint) ? pose.NearArm : pose.FarArm, PartOf(joint), to),
        });
    }

    private static double LegDrawn(double trunk, LegSpots leg, int part, Spot to) => part switch
    {
        0 => BodyAngles.FromDown(leg.Hip, to) + trunk,
        1 => leg.ThighDegrees - BodyAngles.FromDown(leg.Knee, to),
        2 => BodyAngles.Slope(leg.Ankle, to) - BodyAngles.Slope(default, SideFigure.BallOf) - leg.ShankDegrees,
        _ => BodyAngles.Slope(leg.Ankle + SideFigure.BallJoint.Turned(leg.SoleDegrees), to) - BodyAngles.ToeOffset - leg.SoleDegrees,
    };

    private static double ArmDrawn(double trunk, ArmSpots arm, ArmAngles angles, int part, Spot to) => part switch
    {
        0 => BodyAngles.FromDown(arm.Shoulder, to) + trunk,
        1 => BodyAngles.FromDown(arm.Elbow, to) + trunk - angles.Shoulder,
        _ => BodyAngles.FromDown(arm.Wrist, to) + trunk - angles.Shoulder - angles.Elbow,
    };

    /// <summary>The position carried by something else, with no air under it; hips that are to be held at a height stay where they are.</summary>
    /// <param name="pose">The position.</param>
    /// <param name="on">What carries it.</param>
    public static Pose Carried(Pose pose, Support on) => on == pose.Support ? pose : pose with { Support = on, Lift = 0, HipHeight = on == Support.HipHeight ? SideFigure.Of(Grounded(pose)).Hip.Y : 0 };

    /// <summary>The position as it may be drawn and kept: lifted by as much as any part of it would be under the ground.</summary>
    /// <param name="pose">The position.</param>
    public static Pose Grounded(Pose pose) => SideFigure.Of(pose).Lowest switch
    {
        >= 0 => pose,
        var low => pose.Support == Support.HipHeight ? pose with { HipHeight = pose.HipHeight - low } : pose with { Lift = pose.Lift - low },
    };

    // The legs stay where they are while the trunk leans, so it leans as far as both hips bend.
    private static Pose Leaned(Pose pose, double trunk)
    {
        var by = BodyAngles.Wrapped(trunk - pose.Trunk);
        double Free(double hip) => Math.Clamp(hip + by, JointRange.Hip.Least, JointRange.Hip.Most) - hip;
        var turned = new[] { by, Free(pose.Near.Hip), Free(pose.Far.Hip) }.MinBy(Math.Abs);
        return pose with { Trunk = BodyAngles.Wrapped(pose.Trunk + turned), Near = pose.Near with { Hip = pose.Near.Hip + turned }, Far = pose.Far with { Hip = pose.Far.Hip + turned } };
    }

    private static Spot[] Joints(LegSpots leg) => [leg.Knee, leg.Ankle, leg.Ball, leg.Toe];

    private static Spot[] Joints(ArmSpots arm) => [arm.Elbow, arm.Wrist, arm.Hand];

    private static double[] Angles(LegAngles leg) => [leg.Hip, leg.Knee, leg.Ankle, leg.Toe];

    private static double[] Angles(ArmAngles arm) => [arm.Shoulder, arm.Elbow, arm.Wrist];

    private static bool IsNear(PoseJoint joint) => joint is <= PoseJoint.NearToe or (>= PoseJoint.NearElbow and <= PoseJoint.NearHand);

    // Counted from the trunk outwards along its limb.
    private static int PartOf(PoseJoint joint) => joint >= PoseJoint.NearElbow ? (joint - PoseJoint.NearElbow) % 3 : (joint - PoseJoint.NearKnee) % 4;
}
