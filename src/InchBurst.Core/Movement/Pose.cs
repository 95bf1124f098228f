namespace InchBurst.Core.Movement;

/// <summary>Joint angles of a leg.</summary>
/// <param name="Hip">Thigh against the trunk line produced downwards, in degrees, flexion positive.</param>
/// <param name="Knee">Flexion in degrees, never negative.</param>
/// <param name="Ankle">0 with the sole at right angles to the shank, toe up positive.</param>
/// <param name="Toe">Toes bent up at the ball, in degrees.</param>
public sealed record LegAngles(double Hip, double Knee, double Ankle, double Toe);

/// <summary>Joint angles of an arm.</summary>
/// <param name="Shoulder">Upper arm against the trunk line downwards, in degrees, forward positive.</param>
/// <param name="Elbow">Flexion in degrees.</param>
/// <param name="Wrist">Hand against the forearm, in degrees.</param>
public sealed record ArmAngles(double Shoulder, double Elbow, double Wrist);

/// <summary>What rests on the ground, or what the clear air is measured under.</summary>
public enum Support
{
    /// <summary>The foot towards the viewer.</summary>
    Near,

    /// <summary>The other foot.</summary>
    Far,

    /// <summary>The lower foot of the two.</summary>
    Either,

    /// <summary>Both hands.</summary>
    Hands,

    /// <summary>The hand towards the viewer.</summary>
    NearHand,

    /// <summary>The other hand.</summary>
    FarHand,

    /// <summary>The knee towards the viewer.</summary>
    NearKnee,

    /// <summary>The other knee.</summary>
    FarKnee,

    /// <summary>The seat.</summary>
    Seat,

    /// <summary>The front of the body.</summary>
    Prone,

    /// <summary>A height of the hip that is given.</summary>
    HipHeight,
}

/// <summary>A position of the body.</summary>
/// <param name="Name">What it is called.</param>
public abstract record BodyPose(string Name);

/// <summary>One position of the body seen from its right side, as joint angles in degrees. Set by eye, common practice, not measured.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Trunk">Lean of the line hip to shoulder from upright, forward positive; past 90 the shoulders are below the hips.</param>
/// <param name="Neck">How far the head is lifted back against the trunk.</param>
/// <param name="Near">The leg towards the viewer: the right one.</param>
/// <param name="Far">The other leg.</param>
/// <param name="NearArm">The arm towards the viewer.</param>
/// <param name="FarArm">The other arm.</param>
/// <param name="Support">What rests on the ground.</param>
/// <param name="Lift">Clear air under it, as a share of stature.</param>
public sealed record Pose(string Name, double Trunk, double Neck, LegAngles Near, LegAngles Far, ArmAngles NearArm, ArmAngles FarArm, Support Support, double Lift) : BodyPose(Name)
{
    /// <summary>Height of the hip centre where the support is that, as a share of stature.</summary>
    public double HipHeight { get; init; }

    /// <summary>How far the back is rounded at the middle of the trunk, as a share of stature, backwards negative; 0 is straight.</summary>
    public double Bow { get; init; }

    /// <summary>The same with the sides changed: what the right limbs did the left ones do.</summary>
    public Pose Mirrored() => this with
    {
        Near = Far,
        Far = Near,
        NearArm = FarArm,
        FarArm = NearArm,
        Support = Support switch
        {
            Support.Near => Support.Far,
            Support.Far => Support.Near,
            Support.NearHand => Support.FarHand,
            Support.FarHand => Support.NearHand,
            Support.NearKnee => Support.FarKnee,
            Support.FarKnee => Support.NearKnee,
            _ => Support,
        },
    };

    /// <summary>A position on the way to another, every angle its share of the way.</summary>
    /// <param name="to">The other position.</param>
    /// <param name="share">0 is this one, 1 the other.</param>
    public Pose Towards(Pose to, double share)
    {
        double Mix(double a, double b) => a + ((b - a) * share);
        LegAngles Leg(LegAngles a, LegAngles b) => new(Mix(a.Hip, b.Hip), Mix(a.Knee, b.Knee), Mix(a.Ankle, b.Ankle), Mix(a.Toe, b.Toe));
        ArmAngles Arm(ArmAngles a, ArmAngles b) => new(Mix(a.Shoulder, b.Shoulder), Mix(a.Elbow, b.Elbow), Mix(a.Wrist, b.Wrist));

        // On the way the hip goes straight from where it is to where it will be, whatever stands on the ground.
        var height = Mix(SideFigure.Of(this).Hip.Y, SideFigure.Of(to).Hip.Y);
        return new(share < 0.5 ? Name : to.Name, Mix(Trunk, to.Trunk), Mix(Neck, to.Neck), Leg(Near, to.Near), Leg(Far, to.Far), Arm(NearArm, to.NearArm), Arm(FarArm, to.FarArm), Support.HipHeight, 0)
        {
            HipHeight = height,
            Bow = Mix(Bow, to.Bow),
        };
    }
}
