namespace InchBurst.Core.Movement;

/// <summary>
/// Breadths of the body as shares of stature, from memory: shoulders over the deltoids and hips over the trochanters after Drillis and Contini 1966 as printed in Winter's
/// textbook, the bony breadths after adult surveys, the rest as drawn.
/// </summary>
public static class Breadths
{
    /// <summary>Half the distance of the hip joint centres.</summary>
    public const double Hip = 0.050;

    /// <summary>Half the distance of the shoulder joint centres.</summary>
    public const double Shoulder = 0.100;
}

/// <summary>Where a leg's joints are in space, and the frames of its parts.</summary>
/// <param name="Hip">Hip joint.</param>
/// <param name="Knee">Knee.</param>
/// <param name="Ankle">Ankle.</param>
/// <param name="Thigh">Frame of the thigh.</param>
/// <param name="Shank">Frame of the shank.</param>
/// <param name="Sole">Frame of the foot.</param>
/// <param name="Foot">Points of the foot without its toes.</param>
/// <param name="Toes">Points of the toes.</param>
public sealed record FrontLegPlaces(Place Hip, Place Knee, Place Ankle, Rotation Thigh, Rotation Shank, Rotation Sole, IReadOnlyList<Place> Foot, IReadOnlyList<Place> Toes)
{
    /// <summary>Height of the lowest point of the foot.</summary>
    public double Lowest => Math.Min(Foot.Min(p => p.Y), Toes.Min(p => p.Y));
}

/// <summary>Where an arm's joints are in space, and the frames of its parts.</summary>
/// <param name="Shoulder">Shoulder joint.</param>
/// <param name="Elbow">Elbow.</param>
/// <param name="Wrist">Wrist.</param>
/// <param name="Hand">End of the hand.</param>
/// <param name="Upper">Frame of the upper arm.</param>
/// <param name="Fore">Frame of the forearm.</param>
public sealed record FrontArmPlaces(Place Shoulder, Place Elbow, Place Wrist, Place Hand, Rotation Upper, Rotation Fore);

/// <summary>The body in a position in space: every joint in shares of stature, the centre of the hips at 0.</summary>
public sealed record FrontFigure
{
    // The trunk bends so far over the hip line.
    private const double Waist = 0.055;
    private const double ShoulderHeight = 0.280;
    private const double ShoulderAhead = 0.014;
    private const double ShoulderFull = 60;
    private const double HeadAhead = 6;
    private const double Wrist = 8;
    private const double KneeCap = 0.034;
    private const double ElbowPoint = 0.024;

    private static readonly Place BallJoint = new(0, -0.030, 0.066);

    // Points about the ankle: outward, up, towards the toes.
    private static readonly Place[] FootPoints =
    [
        new(0.0165, -0.039, -0.040), new(0, -0.039, -0.046), new(-0.0165, -0.039, -0.040), new(-0.020, -0.039, -0.010), new(-0.0235, -0.039, 0.030), new(-0.0275, -0.039, 0.066), new(0, -0.039, 0.072), new(0.0295, -0.039, 0.066),
        new(0.0235, -0.039, 0.030), new(0.0205, -0.039, -0.010), new(-0.0185, 0.004, -0.014), new(0.0185, 0.004, -0.014), new(-0.0165, 0.012, 0.012), new(0.0165, 0.012, 0.012), new(-0.020, -0.006, 0.045), new(0.022, -0.006, 0.045),
        new(-0.0255, -0.024, 0.070), new(0.027, -0.024, 0.070), new(0, -0.004, -0.036),
    ];

    private static readonly Place[] ToePoints =
    [
        new(-0.0275, -0.039, 0.064), new(0.0295, -0.039, 0.064), new(-0.024, -0.039, 0.088), new(0.025, -0.039, 0.086), new(-0.010, -0.039, 0.111), new(0.010, -0.039, 0.108), new(-0.026, -0.021, 0.066), new(0.027, -0.021, 0.066),
        new(-0.008, -0.026, 0.108), new(0.010, -0.027, 0.104),
    ];

    private FrontFigure(FrontPose pose)
    {
        Pose = pose;
        Pelvis = Rotation.AboutZ(-pose.Roll) * Rotation.AboutY(pose.Pelvis.First) * Rotation.AboutZ(pose.Pelvis.Third) * Rotation.AboutX(pose.Pelvis.Second);
        Trunk = Pelvis * Rotation.AboutZ(-pose.Trunk.Second) * Rotation.AboutX(pose.Trunk.First) * Rotation.AboutY(pose.Trunk.Third);
        HeadFrame = Trunk * Rotation.AboutY(pose.Head.Third) * Rotation.AboutZ(-pose.Head.Second) * Rotation.AboutX(HeadAhead + pose.Head.First);
        Neck = Up(Segments.NeckBase) + Trunk.Of(new(0, 0, -Segments.NeckBehind));
        Head = Neck + HeadFrame.Of(new(0, Segments.Neck, 0));
        (Right, Left) = (LegOf(pose.Right, -1), LegOf(pose.Left, 1));
        (RightArm, LeftArm) = (ArmOf(pose.RightArm, -1), ArmOf(pose.LeftArm, 1));
        Ground = -pose.HipHeight ?? pose.Support switch
        {
            FrontSupport.Right => Right.Lowest,
            FrontSupport.Left => Left.Lowest,
            FrontSupport.RightKnee => Right.Knee.Y - KneeCap,
            FrontSupport.LeftKnee => Left.Knee.Y - KneeCap,
            FrontSupport.RightElbow => RightArm.Elbow.Y - ElbowPoint,
            FrontSupport.LeftElbow => LeftArm.Elbow.Y - ElbowPoint,
            FrontSupport.Side => new[] { (Right, RightArm), (Left, LeftArm) }.Min(s => new[] { s.Item1.Hip.Y - 0.045, s.Item1.Knee.Y - 0.030, s.Item2.Shoulder.Y - 0.028, s.Item1.Ankle.Y - 0.018, s.Item2.Elbow.Y - 0.020, s.Item2.Hand.Y - 0.012 }.Min()),
            _ => Math.Min(Right.Lowest, Left.Lowest),
        } - pose.Lift;
    }

    /// <summary>The position.</summary>
    public FrontPose Pose { get; }

    /// <summary>Frame of the pelvis.</summary>
    public Rotation Pelvis { get; }

    /// <summary>Frame of the trunk.</summary>
    public Rotation Trunk { get; }

    /// <summary>Frame of the head.</summary>
    public Rotation HeadFrame { get; }

    /// <summary>Base of the neck.</summary>
    public Place Neck { get; }

    /// <summary>Centre of the head.</summary>
    public Place Head { get; }

    /// <summary>The right leg.</summary>
    public FrontLegPlaces Right { get; }

    /// <summary>The left leg.</summary>
    public FrontLegPlaces Left { get; }

    /// <summary>The right arm.</summary>
    public FrontArmPlaces RightArm { get; }

    /// <summary>The left arm.</summary>
    public FrontArmPlaces LeftArm { get; }

    /// <summary>Height of the ground under the centre of the hips, below 0.</summary>
    public double Ground { get; }

    /// <summary>Height of the lowest point that is drawn.</summary>
    public double Lowest => new[] { Right.Lowest, Left.Lowest, RightArm.Hand.Y, LeftArm.Hand.Y, Right.Knee.Y - KneeCap, Left.Knee.Y - KneeCap, Head.Y - Segments.Head }.Min();

    /// <summary>The joints of a position by forward kinematics.</summary>
    /// <param name="pose">The position.</param>
    public static FrontFigure Of(FrontPose pose) => new(pose);

    /// <summary>A place on the trunk's line, so far up from the hips as a share of stature.</summary>
    public Place Up(double share) => share > Waist ? (Pelvis.Y * Waist) + (Trunk.Y * (share - Waist)) : Pelvis.Y * share;

    /// <summary>A place as the one who looks sees it: x to the right of the picture, y up, z towards the viewer.</summary>
    public Place Seen(Place at) => (Rotation.AboutX(Pose.Camera.Raised) * Rotation.AboutY(-Pose.Camera.Round)).Of(at);

    private FrontLegPlaces LegOf(FrontLeg leg, int side)
    {
        var hip = Pelvis.Of(new(side * Breadths.Hip, 0, 0));
        var thigh = Pelvis * Rotation.AboutX(-leg.Hip) * Rotation.AboutZ(side * leg.Abduction) * Rotation.AboutY(side * leg.Outward);
        var knee = hip - (thigh.Y * Segments.Thigh);
        var shank = thigh * Rotation.AboutX(leg.Knee);
        var ankle = knee - (shank.Y * Segments.Shank);
        var sole = leg.Flat is { } flat ? Rotation.AboutY((side * flat.Heading) + Pose.Pelvis.First) * Rotation.AboutX(flat.HeelRaise) : shank * Rotation.AboutX(-leg.Ankle);
        var bent = Rotation.AboutX(-(leg.Flat is { } raised ? Math.Max(0, raised.HeelRaise) : leg.Toe));
        Place Mirrored(Place p) => p with { X = p.X * side };
        return new(hip, knee, ankle, thigh, shank, sole, [.. FootPoints.Select(p => ankle + sole.Of(Mirrored(p)))], [.. ToePoints.Select(p => ankle + sole.Of(BallJoint + bent.Of(Mirrored(p) - BallJoint)))]);
    }

    private FrontArmPlaces ArmOf(FrontArm arm, int side)
    {
        var shoulder = Up(ShoulderHeight) + Trunk.Of(new(side * Breadths.Shoulder, 0, ShoulderAhead * Math.Clamp(arm.Shoulder / ShoulderFull, -1, 1)));
        var upper = Trunk * Rotation.AboutX(-arm.Shoulder) * Rotation.AboutZ(side * arm.Abduction) * Rotation.AboutY(side * arm.Outward);
        var elbow = shoulder - (upper.Y * Segments.UpperArm);
        var fore = upper * Rotation.AboutX(-arm.Elbow);
        var wrist = elbow - (fore.Y * Segments.Forearm);
        return new(shoulder, elbow, wrist, wrist - ((fore * Rotation.AboutX(-Wrist)).Y * Segments.Hand), upper, fore);
    }
}
