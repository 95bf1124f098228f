using System.Text.Json;
using InchBurst.Core.Units;

namespace InchBurst.Core.Movement;

/// <summary>How a fault is marked on the drawn body.</summary>
public enum FaultMark
{
    /// <summary>Upright through the hip against the trunk.</summary>
    Lean,

    /// <summary>Level at the heel against the sole.</summary>
    Sole,

    /// <summary>Level at the hip against the thigh.</summary>
    Thigh,

    /// <summary>Upright under the hip against the line to the ankle.</summary>
    Reach,

    /// <summary>Real and right height of the hip.</summary>
    Low,

    /// <summary>Thigh line produced against the shank.</summary>
    Knee,

    /// <summary>Trunk line produced against the head.</summary>
    Head,

    /// <summary>Plumb under the hip against the heel.</summary>
    Heel,

    /// <summary>Direction of take-off.</summary>
    Path,

    /// <summary>Line from hip to ankle.</summary>
    Dull,

    /// <summary>Straight chord along the back.</summary>
    Back,

    /// <summary>From the front: the line of the breastbone against the hand.</summary>
    Midline,

    /// <summary>From the front: a line through the hip joints against level.</summary>
    Pelvis,

    /// <summary>From the front: uprights over the ankles against the knees.</summary>
    Valgus,

    /// <summary>From the front: upright through the hip against the trunk.</summary>
    SideLean,
}

/// <summary>A usual fault, drawn beside what is right.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Seen">What is seen.</param>
/// <param name="Right">How it should be.</param>
/// <param name="Wrong">How it is.</param>
/// <param name="Mark">What shows it.</param>
/// <param name="OnFar">True where it shows on the leg away from the viewer.</param>
/// <param name="Also">What it is called besides.</param>
public sealed record DrawnFault(string Name, string Seen, BodyPose Right, BodyPose Wrong, FaultMark Mark, bool OnFar, IReadOnlyList<string> Also);

/// <summary>Every position that is drawn, and every fault.</summary>
public static class PoseBook
{
    private static readonly Lazy<(IReadOnlyDictionary<string, Pose> Side, IReadOnlyDictionary<string, FrontPose> Front, IReadOnlyList<DrawnFault> Faults)> Data = new(() =>
    {
        using var side = Open("poses");
        using var front = Open("front");
        var (sides, fronts) = (Rows(side, PoseOf), Rows(front, FrontOf));
        return (sides, fronts, [.. FaultsIn(side, n => sides[n]), .. FaultsIn(front, n => fronts[n])]);
    });

    private static JsonDocument Open(string name)
    {
        using var stream = typeof(PoseBook).Assembly.GetManifestResourceStream($"InchBurst.Core.Movement.{name}.json")!;
        return JsonDocument.Parse(stream);
    }

    private static Dictionary<string, T> Rows<T>(JsonDocument document, Func<JsonElement, T> of)
        where T : BodyPose => document.RootElement.GetProperty("poses").EnumerateArray().Select(of).ToDictionary(p => p.Name, StringComparer.OrdinalIgnoreCase);

    private static IEnumerable<DrawnFault> FaultsIn(JsonDocument document, Func<string, BodyPose> pose) =>
        document.RootElement.GetProperty("faults").EnumerateArray().Select(f => new DrawnFault(f.MustText("name"), f.MustText("seen"), pose(f.MustText("right")), pose(f.MustText("wrong")), f.GetProperty("mark").Name<FaultMark>(), f.Flag("far"), f.Texts("also") ?? []));

    /// <summary>Positions in the order they are kept.</summary>
    public static IEnumerable<Pose> Poses => Data.Value.Side.Values;

    /// <summary>Positions seen from the front, in the order they are kept.</summary>
    public static IEnumerable<FrontPose> FrontPoses => Data.Value.Front.Values;

    /// <summary>A position of either view by its name, or one that a coach set, written out; null where the text is neither.</summary>
    /// <param name="text">The name, in any case, or a row of <see cref="OwnPose"/>.</param>
    public static BodyPose? Any(string text) => Find(text) ?? (BodyPose?)Data.Value.Front.GetValueOrDefault(text) ?? OwnPose.Read(text);

    /// <summary>Faults in the order they are kept.</summary>
    public static IReadOnlyList<DrawnFault> Faults => Data.Value.Faults;

    /// <summary>A position seen from the side by its name, or null.</summary>
    /// <param name="name">The name, in any case.</param>
    public static Pose? Find(string name) => Data.Value.Side.GetValueOrDefault(name);

    /// <summary>A drawn fault by its name, or null.</summary>
    /// <param name="name">The name, in any case.</param>
    public static DrawnFault? Fault(string name) => Data.Value.Faults.FirstOrDefault(f => f.Also.Append(f.Name).Contains(name, StringComparer.OrdinalIgnoreCase));

    private static double[] Row(JsonElement e, string name) => [.. e.GetProperty(name).EnumerateArray().Select(v => v.GetDouble())];

    private static FrontPose FrontOf(JsonElement e)
    {
        Turns Three(string name) => Row(e, name) is var r ? new(r[0], r[1], r[2]) : default;
        FrontLeg Leg(string name)
        {
            var r = Row(e, name);
            var foot = e.TryGetProperty(name + "Foot", out _) ? Row(e, name + "Foot") : [0, 0];
            return new(r[0], r[1], r[2], r[3], foot[0], foot[1], e.TryGetProperty(name + "Flat", out _) && Row(e, name + "Flat") is var flat ? (flat[0], flat[1]) : null);
        }

        FrontArm Arm(string name) => Row(e, name) is var r ? new(r[0], r[1], r[2], r[3]) : throw new InvalidDataException(name);
        return new(e.MustText("name"), Three("pelvis"), Three("trunk"), Three("head"), Leg("right"), Leg("left"), Arm("rightArm"), Arm("leftArm"), e.GetProperty("on").Name<FrontSupport>(), e.Number("lift") ?? 0)
        {
            Roll = e.Number("roll") ?? 0,
            Camera = e.TryGetProperty("camera", out _) && Row(e, "camera") is var camera ? (camera[0], camera[1]) : default,
            Behind = e.Texts("behind") ?? [],
            Before = e.Texts("before") ?? [],
        };
    }

    private static Pose PoseOf(JsonElement e)
    {
        double[] Row(string name) => PoseBook.Row(e, name);
        LegAngles Leg(double[] r) => new(r[0], r[1], r[2], r[3]);
        ArmAngles Arm(double[] r) => new(r[0], r[1], r.Length > 2 ? r[2] : UsualWrist);
        return new(e.MustText("name"), e.MustNumber("trunk"), e.MustNumber("neck"), Leg(Row("near")), Leg(Row("far")), Arm(Row("nearArm")), Arm(Row("farArm")), e.GetProperty("on").Name<Support>(), e.Number("lift") ?? 0)
        {
            HipHeight = e.Number("hipHeight") ?? 0,
            Bow = e.Number("bow") ?? 0,
        };
    }

    private const double UsualWrist = 8;
}
