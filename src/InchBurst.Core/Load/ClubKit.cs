using System.Text.Json;
using System.Text.Json.Serialization;
using InchBurst.Core.Units;

namespace InchBurst.Core.Load;

/// <summary>A sled of the club.</summary>
/// <param name="Name">What it is called, 1 to 40 characters.</param>
/// <param name="Kilograms">Its mass alone, kg, 0.5 to 100.</param>
/// <param name="Kind">What kind it is, such as "flat runners": sleds of one kind drag alike; empty where all are alike.</param>
public sealed record ClubSled(string Name, double Kilograms, string Kind = "");

/// <summary>Plates of one mass.</summary>
/// <param name="Kilograms">Mass of one, kg, 0.25 to 50.</param>
/// <param name="Count">How many there are, 1 to 40.</param>
public sealed record ClubPlate(double Kilograms, int Count);

/// <summary>A pull test: a spring scale between hand and sled.</summary>
/// <param name="Day">When.</param>
/// <param name="Sled">Which sled.</param>
/// <param name="Surface">On what.</param>
/// <param name="Kilograms">Sled and plates together, kg.</param>
/// <param name="Newtons">Readings, N.</param>
/// <param name="Kind">Kind of that sled, kept so that the test stands when the sled is gone; empty while nobody had said it.</param>
public sealed record PullTest(DateOnly Day, string Sled, Surface Surface, double Kilograms, IReadOnlyList<double> Newtons, string Kind = "")
{
    /// <summary>The friction it gives; null where its readings give none.</summary>
    [JsonIgnore]
    public Friction? Friction => Friction.OfPulls(Newtons, Kilograms).Friction;
}

/// <summary>Where a rope is hooked on the body.</summary>
public enum HarnessAt
{
    /// <summary>Belt at the waist.</summary>
    Waist,

    /// <summary>Harness at the chest.</summary>
    Chest,
}

/// <summary>Rope and harness of a club.</summary>
/// <param name="At">Where it is hooked on the body.</param>
/// <param name="RopeMetres">Length of the rope, m, 0.5 to 50.</param>
/// <param name="SledHookMetres">Height of the hook on the sled, m, 0 to 1.</param>
public sealed record Harness(HarnessAt At, double RopeMetres, double SledHookMetres)
{
    // Height of the hook as a share of stature, upright (Winter 2009, from memory: hip 0.53, shoulder 0.82; belt and chest band between).
    private const double WaistShare = 0.6;
    private const double ChestShare = 0.72;

    /// <summary>The rope of an athlete of usual stature.</summary>
    [JsonIgnore]
    public Rope Rope => new(RopeMetres, Math.Clamp(((At == HarnessAt.Waist ? WaistShare : ChestShare) * LoadKnown.UsualHeightMetres) - SledHookMetres, 0, RopeMetres));

    /// <summary>What is wrong with it, in a coach's words; null when nothing is.</summary>
    [JsonIgnore]
    public string? Problem => RopeMetres is not (>= 0.5 and <= 50) ? "A rope is 0.5 to 50 m long."
        : SledHookMetres is not (>= 0 and <= 1) ? "The hook on the sled stands 0 to 1 m above the floor."
        : Rope.Degrees > MostDegrees ? $"That rope would rise {Figures.Number(Rope.Degrees)}°: it would lift the sled. Take a longer one." : null;

    /// <summary>Steepest rope that still drags a sled, degrees (common practice).</summary>
    public const double MostDegrees = 45;

    /// <summary>What the place changes (common practice).</summary>
    public static string Words(HarnessAt at) => at == HarnessAt.Waist ? "At the waist it pulls near the hips and leaves the trunk free." : "At the chest the trunk has to lean more to balance it, and the rope is steeper.";
}

/// <summary>Sleds, plates and pull tests of a club.</summary>
/// <param name="Sleds">Sleds, in the order of their lanes.</param>
/// <param name="Plates">Plates.</param>
/// <param name="Pulls">Pull tests, all that were made.</param>
public sealed record ClubKit(IReadOnlyList<ClubSled> Sleds, IReadOnlyList<ClubPlate> Plates, IReadOnlyList<PullTest> Pulls)
{
    /// <summary>Most sleds of a club.</summary>
    public const int MostSleds = 12;

    /// <summary>Rope and harness; null while nobody has said them.</summary>
    public Harness? Harness { get; init; }

    /// <summary>Nothing said yet.</summary>
    public static ClubKit Empty { get; } = new([], [], []);

    /// <summary>Kinds of sled that the club tells apart; none where all are alike.</summary>
    [JsonIgnore]
    public IReadOnlyList<string> Kinds => [.. Sleds.Select(s => s.Kind).Where(k => k.Length > 0).Distinct(StringComparer.OrdinalIgnoreCase).Order(StringComparer.OrdinalIgnoreCase)];

    /// <summary>The friction that stands for a floor and a kind of sled: the latest pull test of the two, else the table; less what a steep rope takes off.</summary>
    /// <param name="surface">The floor.</param>
    /// <param name="kind">Kind of sled; empty for any.</param>
    public Friction On(Surface surface, string kind = "")
    {
        var flat = Latest(surface, kind)?.Friction ?? Friction.Of(surface);
        return Harness is { Rope: { Degrees: > Rope.TellFromDegrees } rope } ? flat with { Mu = flat.Mu * rope.ShareLeft(flat), Spread = flat.Spread * rope.ShareLeft(flat) } : flat;
    }

    /// <summary>The latest pull test on a floor, or null.</summary>
    /// <param name="surface">The floor.</param>
    /// <param name="kind">Kind of sled; empty for any.</param>
    public PullTest? Latest(Surface surface, string kind = "") => Pulls.Where(p => p.Surface == surface && p.Friction is not null && (kind.Length == 0 || KindOf(p).Equals(kind, StringComparison.OrdinalIgnoreCase))).MaxBy(p => p.Day);

    // As it was said with the test, or as it is said of the sled now.
    private string KindOf(PullTest pull) => pull.Kind.Length > 0 ? pull.Kind : Sleds.FirstOrDefault(s => s.Name == pull.Sled)?.Kind ?? "";

    private static bool Is(ClubSled sled, string kind) => kind.Equals(sled.Kind, StringComparison.OrdinalIgnoreCase);

    /// <summary>Sleds with their share of the plates.</summary>
    /// <param name="most">Most sleds to take, 1 or more.</param>
    /// <param name="kind">Kind of sled; empty for any, and where the club has none of it.</param>
    public IReadOnlyList<SledKit> Shared(int most, string kind = "") => SledKit.Share([.. Sleds.Where(s => kind.Length == 0 || Sleds.All(o => !Is(o, kind)) || Is(s, kind)).Take(most).Select(s => s.Kilograms)], [.. Plates.Select(p => (p.Kilograms, p.Count))]);

    /// <summary>What is wrong with an entry, in a coach's words; null when nothing is.</summary>
    /// <param name="sled">A sled.</param>
    public static string? Problem(ClubSled sled) =>
        sled.Name.Trim().Length is 0 or > 40 ? "Give the sled a name of at most 40 characters."
        : sled.Kind.Length > 40 ? "Say the kind in at most 40 characters."
        : sled.Kilograms is >= 0.5 and <= 100 ? null : $"A sled weighs 0.5 to 100 kg; {Figures.Number(sled.Kilograms, 2)} kg is not a sled.";

    /// <summary>What is wrong with plates, in a coach's words; null when nothing is.</summary>
    /// <param name="plate">Plates of one mass.</param>
    public static string? Problem(ClubPlate plate) =>
        plate.Kilograms is < SledKit.LeastPlate or > SledKit.MostPlate ? $"A plate weighs {Figures.Number(SledKit.LeastPlate, 2)} to {Figures.Number(SledKit.MostPlate)} kg; {Figures.Number(plate.Kilograms, 2)} kg is none."
        : plate.Count is < 1 or > 40 ? "Say how many there are, 1 to 40." : null;

    /// <summary>As text.</summary>
    public string Write() => JsonSerializer.Serialize(this, LoadJsonContext.Default.ClubKit);

    /// <summary>From text; nothing said gives an empty kit.</summary>
    /// <param name="json">Text made by <see cref="Write"/>, or empty.</param>
    public static ClubKit Read(string json) => json.Length == 0 ? Empty : JsonSerializer.Deserialize(json, LoadJsonContext.Default.ClubKit) ?? Empty;
}

[JsonSourceGenerationOptions(JsonSerializerDefaults.Web, DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull)]
[JsonSerializable(typeof(ClubKit))]
[JsonSerializable(typeof(LoadDocument))]
[JsonSerializable(typeof(LoadAnswer))]
internal sealed partial class LoadJsonContext : JsonSerializerContext;
