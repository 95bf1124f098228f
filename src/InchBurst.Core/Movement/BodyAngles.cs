namespace InchBurst.Core.Movement;

/// <summary>Angles from places: the way back from joints, drawn or marked on a picture, to what a coach reads off a body. Degrees throughout.</summary>
public static class BodyAngles
{
    // The sole runs from the heel's lowest point to the ball's; both lie a little off level when the foot stands.
    private static readonly double SoleOffset = Slope(SideFigure.HeelOf, SideFigure.BallOf);
    internal static readonly double ToeOffset = Slope(SideFigure.BallJoint, SideFigure.ToeOf);

    /// <summary>Lean of the trunk from upright, forward positive.</summary>
    /// <param name="hip">Centre of the hips.</param>
    /// <param name="shoulder">Centre of the shoulders.</param>
    public static double Trunk(Spot hip, Spot shoulder) => Degrees(Math.Atan2(shoulder.X - hip.X, shoulder.Y - hip.Y));

    /// <summary>Angle of a limb from straight down, forward positive: of the thigh from hip to knee, of the shank from knee to ankle.</summary>
    /// <param name="upper">Upper joint.</param>
    /// <param name="lower">Lower joint.</param>
    public static double FromDown(Spot upper, Spot lower) => Degrees(Math.Atan2(lower.X - upper.X, upper.Y - lower.Y));

    /// <summary>Sole above level, toe up positive.</summary>
    /// <param name="heel">Lowest point of the heel.</param>
    /// <param name="ball">Ball of the foot.</param>
    public static double Sole(Spot heel, Spot ball) => Wrapped(Slope(heel, ball) - SoleOffset);

    /// <summary>The position that joints were in: forward kinematics undone. Where the trunk is bowed and what carries the body are taken from the figure.</summary>
    /// <param name="figure">The joints.</param>
    public static Pose Of(SideFigure figure)
    {
        var trunk = Trunk(figure.Hip, figure.Shoulder);
        LegAngles Leg(LegSpots leg)
        {
            var (thigh, shank, sole) = (FromDown(leg.Hip, leg.Knee), FromDown(leg.Knee, leg.Ankle), Sole(leg.Heel, leg.Ball));
            var ball = leg.Ankle + SideFigure.BallJoint.Turned(sole);
            return new(Wrapped(thigh + trunk), Wrapped(thigh - shank), Wrapped(sole - shank), Wrapped(Slope(ball, leg.Toe) - ToeOffset - sole));
        }

        ArmAngles Arm(ArmSpots arm)
        {
            var (upper, fore, hand) = (FromDown(arm.Shoulder, arm.Elbow), FromDown(arm.Elbow, arm.Wrist), FromDown(arm.Wrist, arm.Hand));
            return new(Wrapped(upper + trunk), Wrapped(fore - upper), Wrapped(hand - fore));
        }

        var of = figure.Pose;
        return new(of.Name, trunk, Wrapped(trunk + SideFigure.HeadAhead - Trunk(figure.Neck, figure.Head)), Leg(figure.Near), Leg(figure.Far), Arm(figure.NearArm), Arm(figure.FarArm), of.Support, of.Lift) { HipHeight = of.HipHeight, Bow = of.Bow };
    }

    /// <summary>An angle between -180, not included, and 180 degrees.</summary>
    /// <param name="degrees">The angle.</param>
    public static double Wrapped(double degrees)
    {
        var turned = degrees % 360;
        return turned > 180 ? turned - 360 : turned <= -180 ? turned + 360 : turned;
    }

    internal static double Slope(Spot from, Spot to) => Degrees(Math.Atan2(to.Y - from.Y, to.X - from.X));

    private static double Degrees(double radians) => radians * 180 / Math.PI;
}

/// <summary>How far joints go, in degrees: beyond it no pose may be drawn and no mark on a picture is believed.</summary>
/// <param name="Name">The joint.</param>
/// <param name="Least">Least angle.</param>
/// <param name="Most">Greatest angle.</param>
/// <param name="Source">Where it is from.</param>
public sealed record JointRange(string Name, double Least, double Most, string Source)
{
    /// <summary>The hip against the line of the trunk, so with what the lower back adds to it.</summary>
    public static JointRange Hip { get; } = new("hip", -35, 140, "120 flexion and 30 extension of the joint (AAOS 1965, from memory), with 20 of the lower back in flexion");

    /// <summary>The knee.</summary>
    public static JointRange Knee { get; } = new("knee", 0, 145, "0 to 135 (AAOS 1965, from memory), up to 145 when pressed against the thigh");

    /// <summary>The ankle, loaded.</summary>
    public static JointRange Ankle { get; } = new("ankle", -55, 38, "50 down (AAOS 1965, from memory); up to 38 in a loaded lunge (Bennell 1998, from memory)");

    /// <summary>Toes at the ball of the foot.</summary>
    public static JointRange Toe { get; } = new("toes", 0, 70, "70 up (AAOS 1965, from memory)");

    /// <summary>The shoulder.</summary>
    public static JointRange Shoulder { get; } = new("shoulder", -70, 180, "180 flexion, 60 extension (AAOS 1965, from memory), with 10 of the shoulder blade");

    /// <summary>The elbow.</summary>
    public static JointRange Elbow { get; } = new("elbow", 0, 150, "0 to 150 (AAOS 1965, from memory)");

    /// <summary>The wrist.</summary>
    public static JointRange Wrist { get; } = new("wrist", -70, 80, "80 flexion, 70 extension (AAOS 1965, from memory)");

    /// <summary>The head against the trunk, back positive; with the upper back.</summary>
    public static JointRange Neck { get; } = new("neck", -60, 70, "45 either way of the neck (AAOS 1965, from memory), with 15 to 25 of the upper back");

    /// <summary>The angle within it that is nearest to another, the shorter way round.</summary>
    /// <param name="degrees">Any angle.</param>
    public double Nearest(double degrees)
    {
        var at = BodyAngles.Wrapped(degrees);
        return Holds(at) ? at : Math.Abs(BodyAngles.Wrapped(at - Least)) <= Math.Abs(BodyAngles.Wrapped(at - Most)) ? Least : Most;
    }

    /// <summary>True within it.</summary>
    public bool Holds(double degrees) => BodyAngles.Wrapped(degrees) >= Least - 1e-9 && BodyAngles.Wrapped(degrees) <= Most + 1e-9;

    /// <summary>The joints of a position that go further than a body does, by name; empty for a human position.</summary>
    /// <param name="pose">The position.</param>
    public static IReadOnlyList<string> Beyond(Pose pose) => [.. Of("near", pose.Near, pose.NearArm), .. Of("far", pose.Far, pose.FarArm), .. Neck.Holds(pose.Neck) ? (string[])[] : [Neck.Name]];

    private static IEnumerable<string> Of(string side, LegAngles leg, ArmAngles arm) =>
        new (JointRange Range, double Is)[] { (Hip, leg.Hip), (Knee, leg.Knee), (Ankle, leg.Ankle), (Toe, leg.Toe), (Shoulder, arm.Shoulder), (Elbow, arm.Elbow), (Wrist, arm.Wrist) }.Where(j => !j.Range.Holds(j.Is)).Select(j => $"{side} {j.Range.Name}");
}
