using InchBurst.Core.Movement;
using InchBurst.Core.Plan;

namespace InchBurst.Core.Film;

/// <summary>An angle a coach reads off a body.</summary>
public enum FilmAngleKind
{
    /// <summary>Trunk from upright, forward positive.</summary>
    Trunk,

    /// <summary>Shin from upright with the foot ahead of the knee.</summary>
    ShinAhead,

    /// <summary>Shin from upright with the knee ahead of the foot: the same line the other way round, as pushes are judged.</summary>
    ShinLean,

    /// <summary>Hip to ankle from straight down, foot ahead positive.</summary>
    Reach,

    /// <summary>Between the thighs.</summary>
    Split,

    /// <summary>Inside of the knee on the ground; 180 is straight.</summary>
    Knee,

    /// <summary>The other thigh from straight down; 90 is level.</summary>
    FrontThigh,
}

/// <summary>An angle measured on a frame, as it is drawn there.</summary>
/// <param name="Kind">Which.</param>
/// <param name="Degrees">The angle.</param>
/// <param name="Within">Half width of the range that holds it in 95 of 100 cases, degrees.</param>
/// <param name="Corner">Where it is drawn, px.</param>
/// <param name="From">Where its first line goes, px.</param>
/// <param name="To">Where its second line goes, px.</param>
public sealed record FilmAngle(FilmAngleKind Kind, double Degrees, double Within, Spot Corner, Spot From, Spot To);

/// <summary>A body marked on a frame.</summary>
public sealed class FilmBody
{
    private readonly FilmClip clip;
    private readonly IReadOnlyDictionary<FilmJoint, Spot> joints;
    private readonly double ahead;

    private FilmBody(FilmClip clip, BodyMark mark, bool runsRight, bool standsFar)
    {
        (this.clip, joints, Mark, RunsRight, StandsFar) = (clip, mark.Joints, mark, runsRight, standsFar);
        ahead = runsRight ? 1 : -1;
    }

    /// <summary>What was marked.</summary>
    public BodyMark Mark { get; }

    /// <summary>True where the runner goes to the right of the picture.</summary>
    public bool RunsRight { get; }

    /// <summary>True where the leg that is judged is the far one.</summary>
    public bool StandsFar { get; }

    /// <summary>True where the leg that is said to stand is clearly the higher one: then a side is wrong.</summary>
    public bool StandsHigher => Mark.Moment != FilmMoment.Flight && Joint(Leg(FilmJoint.NearAnkle)) is { } stands && Joint(Other(FilmJoint.NearAnkle)) is { } other && stands.Y < other.Y - (4 * FilmScale.MarkPixels(clip));

    /// <summary>True where the runner is in the middle third of the picture, so that the camera looks straight at them.</summary>
    public bool IsInMiddle => Joint(FilmJoint.Hip) is not { } hip || (hip.X >= clip.Width / 3.0 && hip.X <= clip.Width * 2 / 3.0);

    /// <summary>The body of a frame.</summary>
    /// <param name="marks">The marks.</param>
    /// <param name="mark">The body among them.</param>
    /// <param name="steps">Steps of the same marks.</param>
    public static FilmBody Of(FilmMarks marks, BodyMark mark, FilmSteps steps)
    {
        var near = NearSide(marks);
        var standsFar = steps.FootOf(mark.Frame) is { } foot ? foot != near : LeadsFar(mark, near == Side.Right);
        return new(marks.Clip, mark, near == Side.Right, standsFar);
    }

    // Where no foot is known to stand, it is the foot in front: so a set position is judged by its front leg.
    private static bool LeadsFar(BodyMark mark, bool runsRight) =>
        mark.Joints.TryGetValue(FilmJoint.FarAnkle, out var far) && (!mark.Joints.TryGetValue(FilmJoint.NearAnkle, out var near) || (runsRight ? far.X > near.X : far.X < near.X));

    /// <summary>The side towards the camera: the right one of a runner who goes to the right.</summary>
    /// <param name="marks">Marks that show the way: landings one after the other, else feet, which point ahead.</param>
    public static Side NearSide(FilmMarks marks)
    {
        var landings = marks.Feet.Where(f => f is { IsDown: true, At: not null }).OrderBy(f => f.Frame.Number).ToList();
        if (landings.Count > 1)
        {
            return landings[^1].At!.Value.X >= landings[0].At!.Value.X ? Side.Right : Side.Left;
        }

        static double Points(BodyMark body, FilmJoint ankle, FilmJoint toe) => body.Joints.TryGetValue(ankle, out var a) && body.Joints.TryGetValue(toe, out var t) ? t.X - a.X : 0;
        return marks.Bodies.Sum(b => Points(b, FilmJoint.NearAnkle, FilmJoint.NearToe) + Points(b, FilmJoint.FarAnkle, FilmJoint.FarToe)) >= 0 ? Side.Right : Side.Left;
    }

    /// <summary>The angles that the marked joints give.</summary>
    public IReadOnlyList<FilmAngle> Angles() =>
    [
        .. new[]
        {
            FromUpright(FilmAngleKind.Trunk, FilmJoint.Hip, FilmJoint.Shoulder, BodyAngles.Trunk),
            FromUpright(FilmAngleKind.ShinAhead, Leg(FilmJoint.NearKnee), Leg(FilmJoint.NearAnkle), BodyAngles.FromDown),
            FromUpright(FilmAngleKind.ShinLean, Leg(FilmJoint.NearAnkle), Leg(FilmJoint.NearKnee), BodyAngles.Trunk),
            FromUpright(FilmAngleKind.Reach, FilmJoint.Hip, Leg(FilmJoint.NearAnkle), BodyAngles.FromDown),
            Between(FilmAngleKind.Split, FilmJoint.NearKnee, FilmJoint.Hip, FilmJoint.FarKnee),
            Between(FilmAngleKind.Knee, FilmJoint.Hip, Leg(FilmJoint.NearKnee), Leg(FilmJoint.NearAnkle)),
            FromUpright(FilmAngleKind.FrontThigh, FilmJoint.Hip, Other(FilmJoint.NearKnee), BodyAngles.FromDown),
        }.OfType<FilmAngle>(),
    ];

    /// <summary>Joints that are bent as no body bends, in words; empty for a human body. Most often near and far are mixed up then.</summary>
    public IReadOnlyList<string> Beyond()
    {
        var wrong = new List<string>();
        foreach (var (name, hip, knee, ankle) in new[] { ("near", FilmJoint.Hip, FilmJoint.NearKnee, FilmJoint.NearAnkle), ("far", FilmJoint.Hip, FilmJoint.FarKnee, FilmJoint.FarAnkle) })
        {
            if (Up(hip) is { } h && Up(knee) is { } k && Up(ankle) is { } a)
            {
                var bent = BodyAngles.Wrapped(BodyAngles.FromDown(h, k) - BodyAngles.FromDown(k, a));
                var doubt = Within(knee, ankle) + Within(hip, knee);
                if (bent < JointRange.Knee.Least - doubt || bent > JointRange.Knee.Most + doubt)
                {
                    wrong.Add($"the {name} knee bends {(bent < 0 ? "forwards" : "too far")}");
                }
            }
        }

        return wrong;
    }

    /// <summary>
    /// The position as a figure, whose limbs have lengths of their own: only angles are taken. Null until hips, shoulders and both legs are marked; arms that are not hang down.
    /// </summary>
    /// <param name="name">What it is to be called.</param>
    public Pose? Figure(string name)
    {
        if (Up(FilmJoint.Hip) is not { } hip || Up(FilmJoint.Shoulder) is not { } shoulder)
        {
            return null;
        }

        var trunk = BodyAngles.Trunk(hip, shoulder);
        LegAngles? Of(FilmJoint kneeJoint, FilmJoint ankleJoint, FilmJoint toeJoint)
        {
            if (Up(kneeJoint) is not { } knee || Up(ankleJoint) is not { } ankle)
            {
                return null;
            }

            var (thigh, shank) = (BodyAngles.FromDown(hip, knee), BodyAngles.FromDown(knee, ankle));
            var foot = Up(toeJoint) is { } toe ? BodyAngles.Wrapped(Slope(ankle, toe) - ToeBelow - shank) : 0;
            return new(Held(JointRange.Hip, thigh + trunk), Held(JointRange.Knee, thigh - shank), Held(JointRange.Ankle, foot), 0);
        }

        ArmAngles Arm(FilmJoint elbowJoint, FilmJoint handJoint)
        {
            if (Up(elbowJoint) is not { } elbow)
            {
                return new(0, 10, 0);
            }

            var upper = BodyAngles.FromDown(shoulder, elbow);
            return new(Held(JointRange.Shoulder, upper + trunk), Up(handJoint) is { } hand ? Held(JointRange.Elbow, BodyAngles.FromDown(elbow, hand) - upper) : 90, 0);
        }

        return Of(FilmJoint.NearKnee, FilmJoint.NearAnkle, FilmJoint.NearToe) is { } near && Of(FilmJoint.FarKnee, FilmJoint.FarAnkle, FilmJoint.FarToe) is { } far
            ? new(name, trunk, 4, near, far, Arm(FilmJoint.NearElbow, FilmJoint.NearHand), Arm(FilmJoint.FarElbow, FilmJoint.FarHand),
                Mark.Moment == FilmMoment.Flight ? Support.Either : StandsFar ? Support.Far : Support.Near, Mark.Moment == FilmMoment.Flight ? 0.1 : 0)
            : null;
    }

    /// <summary>Length of the body in the picture, px, from trunk and legs as far as they are marked; null without any.</summary>
    public double? StaturePixels()
    {
        var parts = new (FilmJoint From, FilmJoint To, double Share)[]
        {
            (FilmJoint.Hip, FilmJoint.Shoulder, Segments.Trunk), (FilmJoint.Hip, FilmJoint.NearKnee, Segments.Thigh), (FilmJoint.NearKnee, FilmJoint.NearAnkle, Segments.Shank),
            (FilmJoint.Hip, FilmJoint.FarKnee, Segments.Thigh), (FilmJoint.FarKnee, FilmJoint.FarAnkle, Segments.Shank),
        }.Where(p => joints.ContainsKey(p.From) && joints.ContainsKey(p.To)).ToList();
        return parts.Count == 0 ? null : parts.Sum(p => (joints[p.To] - joints[p.From]).Length) / parts.Sum(p => p.Share);
    }

    // The line from ankle to the tip of the foot lies so far below the sole's own.
    private static readonly double ToeBelow = Math.Atan2(SideFigure.ToeOf.Y, SideFigure.ToeOf.X) * 180 / Math.PI;

    private static double Slope(Spot from, Spot to) => Math.Atan2(to.Y - from.Y, to.X - from.X) * 180 / Math.PI;

    private static double Held(JointRange range, double degrees) => Math.Clamp(BodyAngles.Wrapped(degrees), range.Least, range.Most);

    private Spot? Joint(FilmJoint joint) => joints.TryGetValue(joint, out var at) ? at : null;

    // Ahead and up, as bodies are reckoned; pictures count from the top.
    private Spot? Up(FilmJoint joint) => Joint(joint) is { } at ? new(at.X * ahead, -at.Y) : null;

    private FilmJoint Leg(FilmJoint near) => StandsFar ? Far(near) : near;

    private FilmJoint Other(FilmJoint near) => StandsFar ? near : Far(near);

    private static FilmJoint Far(FilmJoint near) => near switch { FilmJoint.NearKnee => FilmJoint.FarKnee, FilmJoint.NearAnkle => FilmJoint.FarAnkle, _ => FilmJoint.FarToe };

    // A segment of L px whose ends are marked with s px each errs by s sqrt 2 / L (science).
    private double Within(FilmJoint from, FilmJoint to) =>
        FilmFigure.Normal * FilmScale.MarkPixels(clip) * Math.Sqrt(2) / Math.Max(1, (joints[to] - joints[from]).Length) * 180 / Math.PI;

    private FilmAngle? FromUpright(FilmAngleKind kind, FilmJoint from, FilmJoint to, Func<Spot, Spot, double> angle)
    {
        if (Up(from) is not { } a || Up(to) is not { } b)
        {
            return null;
        }

        // The upright goes the way the limb goes.
        var (corner, end) = (Joint(from)!.Value, Joint(to)!.Value);
        return new(kind, angle(a, b), Within(from, to), corner, corner + new Spot(0, end.Y > corner.Y ? (end - corner).Length : -(end - corner).Length), end);
    }

    private FilmAngle? Between(FilmAngleKind kind, FilmJoint from, FilmJoint at, FilmJoint to)
    {
        if (Up(from) is not { } a || Up(at) is not { } corner || Up(to) is not { } b)
        {
            return null;
        }

        var degrees = Math.Abs(BodyAngles.Wrapped(BodyAngles.FromDown(corner, a) - BodyAngles.FromDown(corner, b)));
        var (one, two) = (Within(at, from), Within(at, to));
        return new(kind, degrees, Math.Sqrt((one * one) + (two * two)), Joint(at)!.Value, Joint(from)!.Value, Joint(to)!.Value);
    }
}
