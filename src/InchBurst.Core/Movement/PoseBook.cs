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
}

/// <summary>A usual fault, drawn beside what is right.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Seen">What is seen.</param>
/// <param name="Right">How it should be.</param>
/// <param name="Wrong">How it is.</param>
/// <param name="Mark">What shows it.</param>
/// <param name="OnFar">True where it shows on the leg away from the viewer.</param>
/// <param name="Also">What it is called besides.</param>
public sealed record DrawnFault(string Name, string Seen, Pose Right, Pose Wrong, FaultMark Mark, bool OnFar, IReadOnlyList<string> Also);

/// <summary>Every position that is drawn, and every fault.</summary>
public static class PoseBook
{
    private static readonly Lazy<(IReadOnlyDictionary<string, Pose> Poses, IReadOnlyList<DrawnFault> Faults)> Data = new(() =>
    {
        using var stream = typeof(PoseBook).Assembly.GetManifestResourceStream("InchBurst.Core.Movement.poses.json")!;
        using var document = JsonDocument.Parse(stream);
        var poses = document.RootElement.GetProperty("poses").EnumerateArray().Select(PoseOf).ToDictionary(p => p.Name, StringComparer.OrdinalIgnoreCase);
        return (poses, [.. document.RootElement.GetProperty("faults").EnumerateArray().Select(f => new DrawnFault(f.MustText("name"), f.MustText("seen"), poses[f.MustText("right")], poses[f.MustText("wrong")], f.GetProperty("mark").Name<FaultMark>(), f.Flag("far"), f.Texts("also") ?? []))]);
    });

    /// <summary>Positions in the order they are kept.</summary>
    public static IEnumerable<Pose> Poses => Data.Value.Poses.Values;

    /// <summary>Faults in the order they are kept.</summary>
    public static IReadOnlyList<DrawnFault> Faults => Data.Value.Faults;

    /// <summary>A position by its name, or null.</summary>
    /// <param name="name">The name, in any case.</param>
    public static Pose? Find(string name) => Data.Value.Poses.GetValueOrDefault(name);

    /// <summary>A drawn fault by its name, or null.</summary>
    /// <param name="name">The name, in any case.</param>
    public static DrawnFault? Fault(string name) => Data.Value.Faults.FirstOrDefault(f => f.Also.Append(f.Name).Contains(name, StringComparer.OrdinalIgnoreCase));

    private static Pose PoseOf(JsonElement e)
    {
        double[] Row(string name) => [.. e.GetProperty(name).EnumerateArray().Select(v => v.GetDouble())];
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
