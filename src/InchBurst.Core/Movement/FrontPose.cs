namespace InchBurst.Core.Movement;

/// <summary>Three turns of one part of the body, in degrees.</summary>
/// <param name="First">Of the pelvis its turn to the athlete's left; of the trunk its lean forward; of the head its nod forward.</param>
/// <param name="Second">Of the pelvis its lean forward; of trunk and head the lean to the left.</param>
/// <param name="Third">Of the pelvis the drop of its right side; of trunk and head the turn to the left.</param>
public readonly record struct Turns(double First, double Second, double Third);

/// <summary>Joint angles of a leg in space, in degrees.</summary>
/// <param name="Hip">Flexion against the pelvis.</param>
/// <param name="Abduction">Away from the other leg positive.</param>
/// <param name="Outward">Rotation outward.</param>
/// <param name="Knee">Flexion.</param>
/// <param name="Ankle">Toe up positive; not used where the sole lies flat.</param>
/// <param name="Toe">Toes bent up at the ball; not used where the sole lies flat.</param>
/// <param name="Flat">Where the foot points outward and how far its heel is raised, with the sole on the ground whatever the shank does; null where the ankle says how it lies.</param>
public sealed record FrontLeg(double Hip, double Abduction, double Outward, double Knee, double Ankle, double Toe, (double Heading, double HeelRaise)? Flat);

/// <summary>Joint angles of an arm in space, in degrees.</summary>
/// <param name="Shoulder">Flexion against the trunk.</param>
/// <param name="Abduction">Away from the trunk positive.</param>
/// <param name="Outward">Rotation outward.</param>
/// <param name="Elbow">Flexion.</param>
public sealed record FrontArm(double Shoulder, double Abduction, double Outward, double Elbow);

/// <summary>What of a body in space rests on the ground.</summary>
public enum FrontSupport
{
    /// <summary>The right foot.</summary>
    Right,

    /// <summary>The left foot.</summary>
    Left,

    /// <summary>The lower foot of the two.</summary>
    Either,

    /// <summary>The right knee.</summary>
    RightKnee,

    /// <summary>The left knee.</summary>
    LeftKnee,

    /// <summary>The right elbow.</summary>
    RightElbow,

    /// <summary>The left elbow.</summary>
    LeftElbow,

    /// <summary>The side of a lying body.</summary>
    Side,
}

/// <summary>One position of the body in space, seen from the front, as joint angles in degrees. Set by eye, common practice, not measured.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Pelvis">Turn, lean, drop of the right side.</param>
/// <param name="Trunk">Lean, lean to the left and turn against the pelvis.</param>
/// <param name="Head">Nod, tilt and turn against the trunk.</param>
/// <param name="Right">The right leg.</param>
/// <param name="Left">The left leg.</param>
/// <param name="RightArm">The right arm.</param>
/// <param name="LeftArm">The left arm.</param>
/// <param name="Support">What rests on the ground.</param>
/// <param name="Lift">Clear air under it, as a share of stature.</param>
public sealed record FrontPose(string Name, Turns Pelvis, Turns Trunk, Turns Head, FrontLeg Right, FrontLeg Left, FrontArm RightArm, FrontArm LeftArm, FrontSupport Support, double Lift) : BodyPose(Name)
{
    /// <summary>The whole body laid down on its left side, in degrees; 90 is lying.</summary>
    public double Roll { get; init; }

    /// <summary>Where it is looked at from: so far round to the athlete's left, so far raised.</summary>
    public (double Round, double Raised) Camera { get; init; }

    /// <summary>Limbs drawn behind the trunk: ra, la, rl, ll.</summary>
    public IReadOnlyList<string> Behind { get; init; } = [];

    /// <summary>Legs drawn over the other: raised or crossing.</summary>
    public IReadOnlyList<string> Before { get; init; } = [];

    /// <summary>Height of the centre of the hips over the ground on the way from one position to another, as a share of stature; null where what carries the body says it.</summary>
    public double? HipHeight { get; init; }

    /// <summary>A position on the way to another, every angle its share of the way. A sole that lies flat in one of them only is that one's until halfway.</summary>
    /// <param name="to">The other position.</param>
    /// <param name="share">0 is this one, 1 the other.</param>
    public FrontPose Towards(FrontPose to, double share)
    {
        double Mix(double a, double b) => a + ((b - a) * share);
        Turns Turn(Turns a, Turns b) => new(Mix(a.First, b.First), Mix(a.Second, b.Second), Mix(a.Third, b.Third));
        FrontArm Arm(FrontArm a, FrontArm b) => new(Mix(a.Shoulder, b.Shoulder), Mix(a.Abduction, b.Abduction), Mix(a.Outward, b.Outward), Mix(a.Elbow, b.Elbow));
        var nearer = share < 0.5 ? this : to;
        FrontLeg Leg(FrontLeg a, FrontLeg b, FrontLeg shown) => new(Mix(a.Hip, b.Hip), Mix(a.Abduction, b.Abduction), Mix(a.Outward, b.Outward), Mix(a.Knee, b.Knee), Mix(a.Ankle, b.Ankle), Mix(a.Toe, b.Toe),
            a.Flat is { } from && b.Flat is { } until ? (Mix(from.Heading, until.Heading), Mix(from.HeelRaise, until.HeelRaise)) : shown.Flat);
        return nearer with
        {
            Pelvis = Turn(Pelvis, to.Pelvis),
            Trunk = Turn(Trunk, to.Trunk),
            Head = Turn(Head, to.Head),
            Right = Leg(Right, to.Right, nearer.Right),
            Left = Leg(Left, to.Left, nearer.Left),
            RightArm = Arm(RightArm, to.RightArm),
            LeftArm = Arm(LeftArm, to.LeftArm),
            Roll = Mix(Roll, to.Roll),
            Camera = (Mix(Camera.Round, to.Camera.Round), Mix(Camera.Raised, to.Camera.Raised)),
            HipHeight = Mix(-FrontFigure.Of(this).Ground, -FrontFigure.Of(to).Ground),
        };
    }

    /// <summary>The same with the sides changed.</summary>
    public FrontPose Mirrored()
    {
        Turns Other(Turns t) => t with { Second = -t.Second, Third = -t.Third };
        string Swapped(string limb) => (limb[0] == 'r' ? "l" : "r") + limb[1..];
        return this with
        {
            Pelvis = new(-Pelvis.First, Pelvis.Second, -Pelvis.Third),
            Trunk = Other(Trunk),
            Head = Other(Head),
            Right = Left,
            Left = Right,
            RightArm = LeftArm,
            LeftArm = RightArm,
            Roll = -Roll,
            Camera = (-Camera.Round, Camera.Raised),
            Behind = [.. Behind.Select(Swapped)],
            Before = [.. Before.Select(Swapped)],
            Support = Support switch
            {
                FrontSupport.Right => FrontSupport.Left,
                FrontSupport.Left => FrontSupport.Right,
                FrontSupport.RightKnee => FrontSupport.LeftKnee,
                FrontSupport.LeftKnee => FrontSupport.RightKnee,
                FrontSupport.RightElbow => FrontSupport.LeftElbow,
                FrontSupport.LeftElbow => FrontSupport.RightElbow,
                _ => Support,
            },
        };
    }
}
