namespace InchBurst.Core.Movement;

/// <summary>A place in the plane the body moves in.</summary>
/// <param name="X">Forward, as a share of stature.</param>
/// <param name="Y">Up, as a share of stature.</param>
public readonly record struct Spot(double X, double Y)
{
    /// <summary>Both added.</summary>
    public static Spot operator +(Spot a, Spot b) => new(a.X + b.X, a.Y + b.Y);

    /// <summary>From the second to the first.</summary>
    public static Spot operator -(Spot a, Spot b) => new(a.X - b.X, a.Y - b.Y);

    /// <summary>So many times as long.</summary>
    public static Spot operator *(Spot a, double by) => new(a.X * by, a.Y * by);

    /// <summary>Turned about the origin by degrees, left round positive.</summary>
    public Spot Turned(double degrees)
    {
        var (sin, cos) = Math.SinCos(degrees * Math.PI / 180);
        return new((X * cos) - (Y * sin), (X * sin) + (Y * cos));
    }

    /// <summary>Distance from the origin.</summary>
    public double Length => Math.Sqrt((X * X) + (Y * Y));
}

/// <summary>
/// Lengths of the body's segments as shares of stature. Thigh to trunk: Drillis and Contini 1966 as printed in Winter's textbook (from memory); hand, neck and head as drawn, so
/// that the body stands 1.005 tall.
/// </summary>
public static class Segments
{
    /// <summary>Hip to knee.</summary>
    public const double Thigh = 0.245;

    /// <summary>Knee to ankle.</summary>
    public const double Shank = 0.246;

    /// <summary>Ankle over the sole.</summary>
    public const double Ankle = 0.039;

    /// <summary>Hip to shoulder.</summary>
    public const double Trunk = 0.288;

    /// <summary>Shoulder to elbow.</summary>
    public const double UpperArm = 0.186;

    /// <summary>Elbow to wrist.</summary>
    public const double Forearm = 0.146;

    /// <summary>Wrist to the end of the half closed hand.</summary>
    public const double Hand = 0.085;

    /// <summary>Base of the neck along the trunk.</summary>
    public const double NeckBase = 0.292;

    /// <summary>Base of the neck behind the trunk line.</summary>
    public const double NeckBehind = 0.010;

    /// <summary>Base of the neck to the centre of the head.</summary>
    public const double Neck = 0.122;

    /// <summary>Radius of the head.</summary>
    public const double Head = 0.061;
}

/// <summary>Where a leg's joints are, as shares of stature, and how its parts lie in space.</summary>
/// <param name="Hip">Hip joint.</param>
/// <param name="Knee">Knee.</param>
/// <param name="Ankle">Ankle.</param>
/// <param name="Heel">Lowest point of the heel.</param>
/// <param name="Ball">Ball of the foot.</param>
/// <param name="Toe">Tip of the toes.</param>
/// <param name="ThighDegrees">Thigh from straight down, forward positive.</param>
/// <param name="ShankDegrees">Shank from straight down; positive with the foot ahead of the knee.</param>
/// <param name="SoleDegrees">Sole above level.</param>
/// <param name="Foot">Outline of the foot without its toes.</param>
/// <param name="Toes">Outline of the toes.</param>
/// <param name="Sole">Line above the sole of the shoe, heel first.</param>
public sealed record LegSpots(Spot Hip, Spot Knee, Spot Ankle, Spot Heel, Spot Ball, Spot Toe, double ThighDegrees, double ShankDegrees, double SoleDegrees, IReadOnlyList<Spot> Foot, IReadOnlyList<Spot> Toes, IReadOnlyList<Spot> Sole)
{
    /// <summary>Height of the lowest point of the foot.</summary>
    public double Lowest => Math.Min(Foot.Min(p => p.Y), Toes.Min(p => p.Y));

    internal LegSpots Raised(Spot by) => this with { Hip = Hip + by, Knee = Knee + by, Ankle = Ankle + by, Heel = Heel + by, Ball = Ball + by, Toe = Toe + by, Foot = [.. Foot.Select(p => p + by)], Toes = [.. Toes.Select(p => p + by)], Sole = [.. Sole.Select(p => p + by)] };
}

/// <summary>Where an arm's joints are, as shares of stature.</summary>
/// <param name="Shoulder">Shoulder joint.</param>
/// <param name="Elbow">Elbow.</param>
/// <param name="Wrist">Wrist.</param>
/// <param name="Hand">End of the hand.</param>
public sealed record ArmSpots(Spot Shoulder, Spot Elbow, Spot Wrist, Spot Hand)
{
    internal ArmSpots Raised(Spot by) => new(Shoulder + by, Elbow + by, Wrist + by, Hand + by);
}

/// <summary>The body in a position, seen from its right side: every joint in shares of stature, x forward of the hip, y above the ground.</summary>
public sealed record SideFigure
{
    // The pelvis and the shoulders turn a little with the limb they carry, up to these shares of stature at these angles.
    private const double PelvisTurn = 0.016;
    private const double PelvisFull = 60;
    private const double ShoulderTurn = 0.024;
    private const double ShoulderFull = 55;
    private const double ShoulderBelow = 0.006;
    private const double KneeCap = 0.034;
    private const double SeatDepth = 0.066;
    private const double FrontDepth = 0.056;

    // How far the head looks ahead of the neck's line, in degrees.
    internal const double HeadAhead = 9;

    internal static readonly Spot BallJoint = new(0.066, -0.028);
    internal static readonly Spot HeelOf = new(-0.040, -0.036);
    internal static readonly Spot BallOf = new(0.068, -0.039);
    internal static readonly Spot ToeOf = new(0.112, -0.034);

    private static readonly Spot[] FootOutline =
        [new(-0.020, 0.020), new(-0.035, 0.004), new(-0.043, -0.016), new(-0.041, -0.033), new(-0.030, -0.039), new(0.010, -0.037), new(0.046, -0.0385), new(0.068, -0.039), new(0.079, -0.026), new(0.070, -0.010), new(0.046, 0.002), new(0.024, 0.018), new(0.004, 0.026)];

    private static readonly Spot[] ToesOutline = [new(0.056, -0.016), new(0.060, -0.037), new(0.078, -0.0395), new(0.100, -0.038), new(0.113, -0.031), new(0.108, -0.020), new(0.092, -0.013), new(0.074, -0.009)];
    private static readonly Spot[] SoleLine = [new(-0.041, -0.0275), new(-0.020, -0.0285), new(0.020, -0.0265), new(0.062, -0.0285)];
    private static readonly Spot[] SoleToes = [new(0.085, -0.030), new(0.110, -0.0275)];

    private SideFigure(Pose pose, Spot hip, Spot shoulder, Spot neck, Spot head, LegSpots near, LegSpots far, ArmSpots nearArm, ArmSpots farArm) =>
        (Pose, Hip, Shoulder, Neck, Head, Near, Far, NearArm, FarArm) = (pose, hip, shoulder, neck, head, near, far, nearArm, farArm);

    /// <summary>The position.</summary>
    public Pose Pose { get; }

    /// <summary>Centre of the hips; x is 0, y its height over the ground.</summary>
    public Spot Hip { get; }

    /// <summary>Centre of the shoulders.</summary>
    public Spot Shoulder { get; }

    /// <summary>Base of the neck.</summary>
    public Spot Neck { get; }

    /// <summary>Centre of the head.</summary>
    public Spot Head { get; }

    /// <summary>The leg towards the viewer.</summary>
    public LegSpots Near { get; }

    /// <summary>The other leg.</summary>
    public LegSpots Far { get; }

    /// <summary>The arm towards the viewer.</summary>
    public ArmSpots NearArm { get; }

    /// <summary>The other arm.</summary>
    public ArmSpots FarArm { get; }

    /// <summary>Along the trunk upwards, of length 1.</summary>
    public Spot Along => Up(Pose.Trunk);

    /// <summary>Ahead of the trunk, of length 1.</summary>
    public Spot Ahead => new(Along.Y, -Along.X);

    /// <summary>Angle between the thighs in degrees.</summary>
    public double ThighSplit => Math.Abs(Near.ThighDegrees - Far.ThighDegrees);

    /// <summary>Height of the lowest point that is drawn: of feet, hands, knees, seat and head.</summary>
    public double Lowest => new[] { Near.Lowest, Far.Lowest, NearArm.Hand.Y, FarArm.Hand.Y, Near.Knee.Y - KneeCap, Far.Knee.Y - KneeCap, Head.Y - Segments.Head }.Min();

    /// <summary>The joints of a position by forward kinematics.</summary>
    /// <param name="pose">The position.</param>
    public static SideFigure Of(Pose pose)
    {
        var along = Up(pose.Trunk);
        var ahead = new Spot(along.Y, -along.X);
        var shoulder = along * Segments.Trunk;
        var neck = (along * Segments.NeckBase) - (ahead * Segments.NeckBehind);
        var head = neck + (Up(pose.Trunk - pose.Neck + HeadAhead) * Segments.Neck);
        var (near, far) = (LegOf(pose.Trunk, pose.Near, ahead), LegOf(pose.Trunk, pose.Far, ahead));
        var (nearArm, farArm) = (ArmOf(pose.Trunk, pose.NearArm, shoulder, along, ahead), ArmOf(pose.Trunk, pose.FarArm, shoulder, along, ahead));
        var ground = pose.Support switch
        {
            Support.Near => near.Lowest,
            Support.Far => far.Lowest,
            Support.Hands => Math.Min(nearArm.Hand.Y, farArm.Hand.Y),
            Support.NearHand => nearArm.Hand.Y,
            Support.FarHand => farArm.Hand.Y,
            Support.NearKnee => near.Knee.Y - KneeCap,
            Support.FarKnee => far.Knee.Y - KneeCap,
            Support.Seat => -SeatDepth,
            Support.Prone => -FrontDepth,
            Support.HipHeight => -pose.HipHeight,
            _ => Math.Min(near.Lowest, far.Lowest),
        };
        var up = new Spot(0, pose.Lift - ground);
        return new(pose, up, shoulder + up, neck + up, head + up, near.Raised(up), far.Raised(up), nearArm.Raised(up), farArm.Raised(up));
    }

    private static LegSpots LegOf(double trunk, LegAngles leg, Spot ahead)
    {
        var thigh = leg.Hip - trunk;
        var shank = thigh - leg.Knee;
        var sole = shank + leg.Ankle;
        var hip = ahead * (PelvisTurn * Math.Clamp(thigh / PelvisFull, -1, 1));
        var knee = hip + (Down(thigh) * Segments.Thigh);
        var ankle = knee + (Down(shank) * Segments.Shank);
        Spot Foot(Spot of) => ankle + of.Turned(sole);
        Spot Bent(Spot of) => Foot(BallJoint + (of - BallJoint).Turned(leg.Toe));
        return new(hip, knee, ankle, Foot(HeelOf), Foot(BallOf), Bent(ToeOf), thigh, shank, sole, [.. FootOutline.Select(Foot)], [.. ToesOutline.Select(Bent)], [.. SoleLine.Select(Foot), .. SoleToes.Select(Bent)]);
    }

    private static ArmSpots ArmOf(double trunk, ArmAngles arm, Spot shoulder, Spot along, Spot ahead)
    {
        var upper = arm.Shoulder - trunk;
        var joint = shoulder + (ahead * (ShoulderTurn * Math.Clamp(arm.Shoulder / ShoulderFull, -1, 1))) - (along * ShoulderBelow);
        var elbow = joint + (Down(upper) * Segments.UpperArm);
        var wrist = elbow + (Down(upper + arm.Elbow) * Segments.Forearm);
        return new(joint, elbow, wrist, wrist + (Down(upper + arm.Elbow + arm.Wrist) * Segments.Hand));
    }

    private static Spot Down(double degrees) => new(Math.Sin(degrees * Math.PI / 180), -Math.Cos(degrees * Math.PI / 180));

    private static Spot Up(double degrees) => new(Math.Sin(degrees * Math.PI / 180), Math.Cos(degrees * Math.PI / 180));
}
