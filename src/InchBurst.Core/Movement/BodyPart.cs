using System.Text.RegularExpressions;

namespace InchBurst.Core.Movement;

/// <summary>Which place of the body a coaching point speaks of.</summary>
public static partial class BodyPart
{
    /// <summary>The place of a body that the first part named in a text stands for; null where none is named.</summary>
    /// <param name="text">A coaching point, such as "Thigh to hip height, toe up".</param>
    /// <param name="figure">The body.</param>
    public static Spot? Named(string text, SideFigure figure)
    {
        // The leg that is lifted is the one a point about the thigh, the knee or the toe means; the one on the ground takes what is said of the foot.
        var (lifted, standing) = figure.Near.Lowest >= figure.Far.Lowest - 1e-9 ? (figure.Near, figure.Far) : (figure.Far, figure.Near);
        return Words().Match(text) is { Success: true } found
            ? found.Value.ToLowerInvariant().TrimEnd('s') switch
            {
                "thigh" => lifted.Hip + ((lifted.Knee - lifted.Hip) * 0.6),
                "knee" => lifted.Knee,
                "shin" => lifted.Knee + ((lifted.Ankle - lifted.Knee) * 0.5),
                "toe" => lifted.Toe,
                "heel" => lifted.Heel,
                "ankle" => standing.Ankle,
                "foot" or "feet" or "ground" or "ball" or "contact" or "land" => standing.Ball,
                "leg" => standing.Hip + ((standing.Knee - standing.Hip) * 0.8),
                "hip" or "seat" or "pelvi" => figure.Hip,
                "arm" or "hand" or "elbow" or "fist" => figure.NearArm.Hand.Y > figure.FarArm.Hand.Y ? figure.NearArm.Wrist : figure.FarArm.Wrist,
                "shoulder" => figure.Shoulder,
                "head" or "eye" or "chin" or "face" => figure.Head,
                "tall" or "posture" => figure.Head,
                _ => figure.Hip + ((figure.Shoulder - figure.Hip) * 0.55),
            }
            : null;
    }

    [GeneratedRegex(@"\b(?:thighs?|knees?|shins?|toes?|heels?|ankles?|foot|feet|ground|ball|contacts?|land|legs?|hips?|seat|pelvis|arms?|hands?|elbows?|fists?|shoulders?|head|eyes?|chin|face|tall|posture|trunk|back|chest|ribs|belly|lean|body|line)\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Words();
}
