using System.Globalization;

namespace InchBurst.Core.Movement;

/// <summary>A position that a coach set, as one row of text: what a club's own exercises are drawn by beside the positions that ship.</summary>
public static class OwnPose
{
    /// <summary>What such a row begins with.</summary>
    public const string Begins = "own:";

    /// <summary>Longest name of a position, in characters.</summary>
    public const int MostLetters = 40;

    private const double MostLift = 2;
    private const double MostHeight = 2;
    private const double MostBow = 0.1;

    // Trunk and neck; the legs; the arms; clear air, height of the hips, bow of the back.
    private static readonly int[] Counts = [2, 4, 4, 3, 3, 3];

    /// <summary>A position as a row: angles in degrees to a tenth, lengths in shares of stature to a thousandth.</summary>
    /// <param name="pose">The position.</param>
    public static string Write(Pose pose)
    {
        static string Row(string format, params double[] numbers) => string.Join(' ', numbers.Select(n => n.ToString(format, CultureInfo.InvariantCulture)));
        static string Leg(LegAngles l) => Row("0.#", l.Hip, l.Knee, l.Ankle, l.Toe);
        static string Arm(ArmAngles a) => Row("0.#", a.Shoulder, a.Elbow, a.Wrist);
        return $"{Begins} {Row("0.#", pose.Trunk, pose.Neck)} / {Leg(pose.Near)} / {Leg(pose.Far)} / {Arm(pose.NearArm)} / {Arm(pose.FarArm)} / {Row("0.###", pose.Lift, pose.HipHeight, pose.Bow)} / {pose.Support} / {Named(pose.Name)}";
    }

    /// <summary>The position of a row, or null where the text is none: not made by <see cref="Write"/>, or of no human body.</summary>
    /// <param name="text">The row.</param>
    public static Pose? Read(string text)
    {
        if (!text.StartsWith(Begins, StringComparison.Ordinal) || text[Begins.Length..].Split('/', StringSplitOptions.TrimEntries) is not { Length: 8 } parts
            || !Enum.TryParse<Support>(parts[6], out var support) || !Enum.IsDefined(support) || char.IsDigit(parts[6][0]))
        {
            return null;
        }

        var rows = parts.Take(Counts.Length).Select(Numbers).ToList();
        if (rows.Zip(Counts).Any(r => r.First.Count != r.Second) || rows.SelectMany(r => r).Any(n => !double.IsFinite(n)))
        {
            return null;
        }

        static LegAngles Leg(List<double> r) => new(r[0], r[1], r[2], r[3]);
        static ArmAngles Arm(List<double> r) => new(r[0], r[1], r[2]);
        var pose = new Pose(Named(parts[7]), rows[0][0], rows[0][1], Leg(rows[1]), Leg(rows[2]), Arm(rows[3]), Arm(rows[4]), support, rows[5][0]) { HipHeight = rows[5][1], Bow = rows[5][2] };
        return pose is { Lift: >= 0 and <= MostLift, HipHeight: >= 0 and <= MostHeight, Bow: >= -MostBow and <= MostBow } && JointRange.Beyond(pose).Count == 0 ? pose : null;
    }

    private static List<double> Numbers(string part) => [.. part.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(n => double.TryParse(n, NumberStyles.Float, CultureInfo.InvariantCulture, out var number) ? number : double.NaN)];

    // A stroke parts the row, so a name has none.
    private static string Named(string name)
    {
        var said = string.Join(' ', name.Replace('/', ' ').Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries));
        return said.Length == 0 ? "own position" : said.Length > MostLetters ? said[..MostLetters].TrimEnd() : said;
    }
}
