using System.Text.Json;
using System.Text.Json.Serialization;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Make;
using InchBurst.Core.Plan;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;

namespace InchBurst.Core.Live;

/// <summary>A session with what it is held in, as a device takes it along.</summary>
/// <param name="State">The session.</param>
/// <param name="Setting">What it is held in, without its exercises.</param>
/// <param name="Exercises">The exercises of the session's lines, as JSON each: reading all that ship would take a device most of the time until it is ready.</param>
/// <param name="By">Who holds the device.</param>
/// <param name="IsCoach">True for coaches and owners.</param>
public sealed record LiveDocument(LiveState State, LiveSetting Setting, IReadOnlyList<string> Exercises, string By, bool IsCoach)
{
    /// <summary>The club's own chips.</summary>
    public IReadOnlyList<Observation> Chips { get; init; } = [];

    /// <summary>Names of exercises that ship and that the club does not want to see.</summary>
    public IReadOnlyList<string> Hidden { get; init; } = [];

    /// <summary>A session with what it is held in, and the exercises it needs.</summary>
    /// <param name="state">The session.</param>
    /// <param name="setting">What it is held in.</param>
    /// <param name="by">Who holds the device.</param>
    /// <param name="isCoach">True for coaches and owners.</param>
    public static LiveDocument Of(LiveState state, LiveSetting setting, string by, bool isCoach) => new(
        state, setting, [.. state.Plan.Lines.Select(l => setting.Catalogue.Find(l.Exercise)).OfType<Exercise>().DistinctBy(e => e.Name, StringComparer.OrdinalIgnoreCase).Select(ExerciseJson.Write)], by, isCoach)
    {
        Chips = setting.Catalogue.OwnChips,
    };

    /// <summary>A session alone, as text.</summary>
    /// <param name="state">The session.</param>
    public static string Write(LiveState state) => JsonSerializer.Serialize(state, LiveJsonContext.Default.LiveState);

    /// <summary>The rhythm of a line, as text.</summary>
    /// <param name="steps">Its steps.</param>
    public static string Write(IReadOnlyList<RhythmStep> steps) => JsonSerializer.Serialize(steps, LiveJsonContext.Default.IReadOnlyListRhythmStep);

    /// <summary>As text.</summary>
    public string Write() => JsonSerializer.Serialize(this, LiveJsonContext.Default.LiveDocument);

    /// <summary>From text, with its exercises.</summary>
    /// <param name="json">Text made by <see cref="Write()"/>.</param>
    /// <exception cref="JsonException">The text is no such document.</exception>
    public static LiveDocument Read(string json) => JsonRead.Document(json, LiveReader.Document);
}

/// <summary>A curve as its two numbers.</summary>
internal sealed class CurveConverter : JsonConverter<SprintCurve>
{
    /// <summary>Not used: <see cref="LiveReader"/> reads.</summary>
    public override SprintCurve Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) => throw new NotSupportedException();

    /// <inheritdoc/>
    public override void Write(Utf8JsonWriter writer, SprintCurve value, JsonSerializerOptions options)
    {
        writer.WriteStartArray();
        writer.WriteNumberValue(value.Mss);
        writer.WriteNumberValue(value.Tau);
        writer.WriteEndArray();
    }
}

/// <summary>A plan as its own document.</summary>
internal sealed class PlanConverter : JsonConverter<SessionPlan>
{
    /// <summary>Not used: <see cref="LiveReader"/> reads.</summary>
    public override SessionPlan Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) => throw new NotSupportedException();

    /// <inheritdoc/>
    public override void Write(Utf8JsonWriter writer, SessionPlan value, JsonSerializerOptions options) => writer.WriteStringValue(PlanJson.Write(value));
}

[JsonSourceGenerationOptions(JsonSerializerDefaults.Web, DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull, IgnoreReadOnlyProperties = true, IncludeFields = true, Converters = [typeof(CurveConverter), typeof(PlanConverter)])]
[JsonSerializable(typeof(LiveDocument))]
[JsonSerializable(typeof(LiveState))]
[JsonSerializable(typeof(LiveChange))]
[JsonSerializable(typeof(DeviceView))]
[JsonSerializable(typeof(IReadOnlyList<BoxTarget>))]
[JsonSerializable(typeof(Dictionary<string, int>))]
[JsonSerializable(typeof(IReadOnlyList<RhythmStep>))]
[JsonSerializable(typeof(LoadCall))]
[JsonSerializable(typeof(StartSight))]
[JsonSerializable(typeof(StartWord))]
[JsonSerializable(typeof(DeviceWord))]
[JsonSerializable(typeof(LineReading))]
[JsonSerializable(typeof(DeviceCommand[]))]
internal sealed partial class LiveJsonContext : JsonSerializerContext;
