using System.Reflection;
using System.Text.Json;
using Microsoft.AspNetCore.Mvc.ModelBinding;

namespace InchBurst.Web.Support;

/// <summary>What a form showed when it was opened travels with it, so that what others changed since is neither lost nor put back.</summary>
public static class StaleForm
{
    /// <summary>What a form shows, to be sent back with it.</summary>
    public static string Opened<T>(T input) => JsonSerializer.Serialize(input);

    /// <summary>
    /// Takes over what others changed since the form was opened where it was left alone, and tells beside the field where both changed the same to different things;
    /// the form is then shown as merged, and saving it again keeps what stands in it.
    /// </summary>
    /// <param name="mine">What was sent; becomes what is to be stored.</param>
    /// <param name="opened">What the form showed when it was opened, from <see cref="Opened"/>; what cannot be read counts as opened just now.</param>
    /// <param name="now">What is stored now.</param>
    /// <param name="state">Takes the words; all else in it is dropped when there are any.</param>
    /// <param name="prefix">Name of the form's fields in <paramref name="state"/>.</param>
    /// <returns>True when there is nothing to ask.</returns>
    public static bool Merge<T>(T mine, string? opened, T now, ModelStateDictionary state, string prefix)
        where T : class
    {
        var before = Read<T>(opened) ?? now;
        var both = new List<(string Field, string Message)>();
        foreach (var field in typeof(T).GetProperties())
        {
            var (here, was, there) = (Value(field, mine), Value(field, before), Value(field, now));
            if (Equals(there, was) || Equals(there, here))
            {
                continue;
            }

            if (Equals(here, was))
            {
                field.SetValue(mine, field.GetValue(now));
            }
            else
            {
                both.Add((field.Name, Told(there)));
            }
        }

        if (both.Count > 0)
        {
            state.Clear();
            both.ForEach(f => state.AddModelError($"{prefix}.{f.Field}", f.Message));
        }

        return both.Count == 0;
    }

    /// <summary>The same for a form whose fields are named by what they hold.</summary>
    /// <param name="mine">What was sent, by field; becomes what is to be stored.</param>
    /// <param name="opened">What the form showed when it was opened.</param>
    /// <param name="now">What is stored now.</param>
    /// <returns>Fields that both changed to different things, with the words beside them.</returns>
    public static IReadOnlyDictionary<string, string> Merge(Dictionary<string, string> mine, string? opened, IReadOnlyDictionary<string, string> now)
    {
        var before = Read<Dictionary<string, string>>(opened) ?? new(now);
        var both = new Dictionary<string, string>();
        foreach (var (field, there) in now)
        {
            var (here, was) = (mine.GetValueOrDefault(field, ""), before.GetValueOrDefault(field, there));
            if (there == was || there == here)
            {
                continue;
            }

            if (here == was)
            {
                mine[field] = there;
            }
            else
            {
                both[field] = Told(there);
            }
        }

        return both;
    }

    private static string Told(object? there) => $"Changed meanwhile by somebody else to “{(there is null or "" ? "nothing" : there)}”. Save again to keep what you typed.";

    // Nothing typed and an empty text are the same.
    // Texts without what stands around them; what is chosen among several, in whatever order.
    private static object? Value(PropertyInfo field, object of) => field.GetValue(of) switch
    {
        string text => text.Trim() is { Length: > 0 } said ? said : null,
        string[] chosen => chosen.Length == 0 ? null : string.Join(", ", chosen.Order(StringComparer.Ordinal)),
        var other => other,
    };

    private static T? Read<T>(string? json)
        where T : class
    {
        try
        {
            return string.IsNullOrEmpty(json) ? null : JsonSerializer.Deserialize<T>(json);
        }
        catch (JsonException)
        {
            return null;
        }
    }
}
