using System.Text.Json;
using InchBurst.Core.Demand;

namespace InchBurst.Web.Support;

/// <summary>How many of each limited kit a session has, as it is stored.</summary>
public static class SessionKit
{
    public static IReadOnlyDictionary<LimitedKit, int> Read(string json) =>
        json.Length == 0 ? new Dictionary<LimitedKit, int>() : JsonSerializer.Deserialize<Dictionary<LimitedKit, int>>(json)!;

    public static string Write(IReadOnlyDictionary<LimitedKit, int> kit) => kit.Count == 0 ? "" : JsonSerializer.Serialize(kit);
}
