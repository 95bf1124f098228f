using System.Text.Json;
using System.Text.Json.Serialization;

namespace InchBurst.Core.Plan;

/// <summary>The plan document as JSON, version 1 (docs/formats.md).</summary>
public static class PlanJson
{
    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase) },
        RespectNullableAnnotations = true,
        IgnoreReadOnlyProperties = true,
    };

    /// <summary>The plan as JSON text.</summary>
    /// <param name="plan">The plan.</param>
    public static string Write(SessionPlan plan) => JsonSerializer.Serialize(plan, Options);

    /// <summary>The plan from JSON text.</summary>
    /// <param name="json">Text made by <see cref="Write"/>.</param>
    /// <exception cref="JsonException">The text is not a plan, or of a version this program does not know.</exception>
    public static SessionPlan Read(string json)
    {
        var plan = JsonSerializer.Deserialize<SessionPlan>(json, Options) ?? throw new JsonException("The plan is empty.");
        return plan.Version == 1 ? plan : throw new JsonException($"Plan version {plan.Version} is newer than this program.");
    }
}
