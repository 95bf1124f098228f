using System.Text.RegularExpressions;

namespace InchBurst.Core.Movement;

/// <summary>Parts of the body that a coaching point may name.</summary>
public enum BodyGroup
{
    /// <summary>The thigh of the lifted leg.</summary>
    Thigh,

    /// <summary>The knee of the lifted leg.</summary>
    Knee,

    /// <summary>The shin of the lifted leg.</summary>
    Shin,

    /// <summary>The toes of the lifted leg.</summary>
    Toe,

    /// <summary>The heel of the lifted leg.</summary>
    Heel,

    /// <summary>The ankle of the leg on the ground.</summary>
    Ankle,

    /// <summary>The foot on the ground.</summary>
    Foot,

    /// <summary>The leg on the ground.</summary>
    Leg,

    /// <summary>Hips and pelvis.</summary>
    Hip,

    /// <summary>The higher arm.</summary>
    Arm,

    /// <summary>The shoulders.</summary>
    Shoulder,

    /// <summary>Head, and how tall one stands.</summary>
    Head,

    /// <summary>The trunk.</summary>
    Trunk,
}

/// <summary>Which place of the body a coaching point speaks of.</summary>
public static partial class BodyPart
{
    /// <summary>The first part of the body that a text names; null where it names none.</summary>
    /// <param name="text">A coaching point, such as "Thigh to hip height, toe up".</param>
    public static BodyGroup? Group(string text) => Words().Match(text) is not { Success: true } found ? null : found.Value.ToLowerInvariant().TrimEnd('s') switch
    {
        "thigh" => BodyGroup.Thigh,
        "knee" => BodyGroup.Knee,
        "shin" => BodyGroup.Shin,
        "toe" => BodyGroup.Toe,
        "heel" => BodyGroup.Heel,
        "ankle" => BodyGroup.Ankle,
        "foot" or "feet" or "ground" or "ball" or "contact" or "land" => BodyGroup.Foot,
        "leg" => BodyGroup.Leg,
        "hip" or "seat" or "pelvi" => BodyGroup.Hip,
        "arm" or "hand" or "elbow" or "fist" => BodyGroup.Arm,
        "shoulder" => BodyGroup.Shoulder,
        "head" or "eye" or "chin" or "face" or "tall" or "posture" => BodyGroup.Head,
        _ => BodyGroup.Trunk,
    };

    /// <summary>The place of a body that the first part named in a text stands for; null where none is named.</summary>
    /// <param name="text">A coaching point.</param>
    /// <param name="figure">The body.</param>
    public static Spot? Named(string text, SideFigure figure)
    {
        // The leg that is lifted is the one a point about the thigh, the knee or the toe means; the one on the ground takes what is said of the foot.
        var (lifted, standing) = figure.Near.Lowest >= figure.Far.Lowest - 1e-9 ? (figure.Near, figure.Far) : (figure.Far, figure.Near);
        return Group(text) switch
        {
            null => null,
            BodyGroup.Thigh => lifted.Hip + ((lifted.Knee - lifted.Hip) * 0.6),
            BodyGroup.Knee => lifted.Knee,
            BodyGroup.Shin => lifted.Knee + ((lifted.Ankle - lifted.Knee) * 0.5),
            BodyGroup.Toe => lifted.Toe,
            BodyGroup.Heel => lifted.Heel,
            BodyGroup.Ankle => standing.Ankle,
            BodyGroup.Foot => standing.Ball,
            BodyGroup.Leg => standing.Hip + ((standing.Knee - standing.Hip) * 0.8),
            BodyGroup.Hip => figure.Hip,
            BodyGroup.Arm => figure.NearArm.Hand.Y > figure.FarArm.Hand.Y ? figure.NearArm.Wrist : figure.FarArm.Wrist,
            BodyGroup.Shoulder => figure.Shoulder,
            BodyGroup.Head => figure.Head,
            _ => figure.Hip + ((figure.Shoulder - figure.Hip) * 0.55),
        };
    }

    [GeneratedRegex(@"\b(?:thighs?|knees?|shins?|toes?|heels?|ankles?|foot|feet|ground|ball|contacts?|land|legs?|hips?|seat|pelvis|arms?|hands?|elbows?|fists?|shoulders?|head|eyes?|chin|face|tall|posture|trunk|back|chest|ribs|belly|lean|body|line)\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Words();
}
