using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Serialization;
using InchBurst.Core.Units;

namespace InchBurst.Core.Plan;

/// <summary>The plan document as JSON (docs/formats.md). Older forms are brought up to date as they are read.</summary>
public static class PlanJson
{
    /// <summary>The plan as JSON text.</summary>
    /// <param name="plan">The plan.</param>
    public static string Write(SessionPlan plan) => JsonSerializer.Serialize(plan, PlanJsonContext.Default.SessionPlan);

    /// <summary>The plan from JSON text.</summary>
    /// <param name="json">Text made by <see cref="Write"/>, by this program or an older one.</param>
    /// <exception cref="JsonException">The text is not a plan, or of a version this program does not know.</exception>
    public static SessionPlan Read(string json) => VersionOf(json) switch
    {
        SessionPlan.Current => JsonRead.Document(json, PlanReader.Plan),
        1 => JsonRead.Document(PlanUpgrade.FromOne(JsonNode.Parse(json)!).ToJsonString(), PlanReader.Plan),
        > SessionPlan.Current and var version => throw new JsonException($"Plan version {version} is newer than this program."),
        _ => throw new JsonException("This is no plan."),
    };

    // The form decides how the rest is read, so it is looked up first; it stands at the front of what this program writes.
    private static int VersionOf(string json)
    {
        var reader = new Utf8JsonReader(Encoding.UTF8.GetBytes(json));
        while (reader.Read())
        {
            if (reader is { TokenType: JsonTokenType.PropertyName, CurrentDepth: 1 } && reader.ValueTextEquals("version"))
            {
                return reader.Read() && reader.TryGetInt32(out var version) ? version : 0;
            }
        }

        return 0;
    }
}

/// <summary>Brings plan documents of older forms up to date.</summary>
internal static class PlanUpgrade
{
    /// <summary>
    /// Form 1 had one flag for two figures of effort, which it took for a rise, told running backwards from a shuttle leg by nothing, and kept jogging and
    /// walking among the purposes of a stretch.
    /// </summary>
    public static JsonNode FromOne(JsonNode plan)
    {
        plan["version"] = SessionPlan.Current;
        foreach (var line in plan["blocks"]!.AsArray().SelectMany(b => b!["lines"]!.AsArray()))
        {
            if (line!["effort"] is JsonObject effort)
            {
                var percents = effort["percents"]!.AsArray().Select(p => p!.GetValue<double>()).ToList();
                var two = effort["rising"]?.GetValue<bool>() == true && percents.Count == 2;
                effort["shape"] = (two ? Effort.ShapeOf(percents[0], percents[1]) : EffortShape.Each).ToString().ToLowerInvariant();
                effort.Remove("rising");
            }

            if (line["shape"]?["segments"] is JsonArray segments)
            {
                foreach (var segment in segments)
                {
                    switch (segment!["role"]!.GetValue<string>())
                    {
                        case "jog" or "walk":
                            segment["movement"] = segment["role"]!.GetValue<string>();
                            segment["role"] = "run";
                            break;
                        case "back" when segment == segments[0]:
                            segment["movement"] = "backpedal";
                            segment["role"] = "run";
                            break;
                    }
                }
            }
        }

        return plan;
    }
}

/// <summary>Enumerations as words that begin small.</summary>
internal sealed class Words<T>() : JsonStringEnumConverter<T>(JsonNamingPolicy.CamelCase)
    where T : struct, Enum;

[JsonSourceGenerationOptions(
    JsonSerializerDefaults.Web,
    DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
    RespectNullableAnnotations = true,
    IgnoreReadOnlyProperties = true,
    Converters =
    [
        typeof(Words<WorkKind>), typeof(Words<SegmentRole>), typeof(Words<Motion>), typeof(Words<Side>), typeof(Words<EffortShape>), typeof(Words<StartPosition>), typeof(Words<LoadKind>),
        typeof(Words<LoadUnit>), typeof(Words<MeasureKind>), typeof(Words<DistanceUnit>),
    ])]
[JsonSerializable(typeof(SessionPlan))]
internal sealed partial class PlanJsonContext : JsonSerializerContext;
