using System.Text.Json;

namespace InchBurst.Core.Units;

/// <summary>
/// Reads documents by hand. What a generated reader sets up for each kind of value takes a device longer than all else until a session is open, and one that reads
/// what is there takes none of it.
/// </summary>
internal static class JsonRead
{
    /// <summary>Reads a document.</summary>
    /// <param name="json">Its text.</param>
    /// <param name="read">Reads its root.</param>
    /// <exception cref="JsonException">The text is none, or what must stand in it is missing or of another kind.</exception>
    public static T Document<T>(string json, Func<JsonElement, T> read)
    {
        try
        {
            using var document = JsonDocument.Parse(json);
            return read(document.RootElement);
        }
        catch (Exception problem) when (problem is KeyNotFoundException or InvalidOperationException or FormatException)
        {
            throw new JsonException(problem.Message, problem);
        }
    }

    /// <summary>The value of a name, or null where it is not written.</summary>
    public static JsonElement? At(this JsonElement of, string name) => of.TryGetProperty(name, out var value) && value.ValueKind != JsonValueKind.Null ? value : null;

    /// <summary>A text; null where it is not written.</summary>
    public static string? Text(this JsonElement of, string name) => of.At(name)?.GetString();

    /// <summary>A text that must be there.</summary>
    /// <exception cref="JsonException">It is not.</exception>
    public static string MustText(this JsonElement of, string name) => of.Text(name) ?? throw new JsonException($"\"{name}\" is missing.");

    /// <summary>A number; null where it is not written.</summary>
    public static double? Number(this JsonElement of, string name) => of.At(name)?.GetDouble();

    /// <summary>A number that must be there.</summary>
    public static double MustNumber(this JsonElement of, string name) => of.GetProperty(name).GetDouble();

    /// <summary>A whole number; null where it is not written.</summary>
    public static int? Whole(this JsonElement of, string name) => of.At(name)?.GetInt32();

    /// <summary>A whole number that must be there.</summary>
    public static int MustWhole(this JsonElement of, string name) => of.GetProperty(name).GetInt32();

    /// <summary>Yes or no; no where it is not written.</summary>
    public static bool Flag(this JsonElement of, string name) => of.At(name)?.GetBoolean() ?? false;

    /// <summary>A moment; null where it is not written.</summary>
    public static DateTime? Moment(this JsonElement of, string name) => of.At(name)?.GetDateTime();

    /// <summary>Something kept by its name; null where it is not written.</summary>
    /// <exception cref="JsonException">Nothing is called so.</exception>
    public static T? Named<T>(this JsonElement of, string name)
        where T : struct, Enum => of.At(name) is { } value ? Name<T>(value) : null;

    /// <summary>Something kept by its name.</summary>
    /// <exception cref="JsonException">Nothing is called so.</exception>
    public static T Name<T>(this JsonElement value)
        where T : struct, Enum => value.GetString() is { Length: > 0 } word && char.IsAsciiLetter(word[0]) && !word.Contains(',') && Enum.TryParse<T>(word, ignoreCase: true, out var named) && Enum.IsDefined(named) ? named : throw new JsonException($"No {typeof(T).Name} is called {value}.");

    /// <summary>A list; null where it is not written.</summary>
    public static IReadOnlyList<T>? List<T>(this JsonElement of, string name, Func<JsonElement, T> each)
    {
        if (of.At(name) is not { } list)
        {
            return null;
        }

        var read = new List<T>(list.GetArrayLength());
        foreach (var item in list.EnumerateArray())
        {
            read.Add(each(item));
        }

        return read;
    }

    /// <summary>A list of texts; null where it is not written.</summary>
    public static IReadOnlyList<string>? Texts(this JsonElement of, string name) => of.List(name, MustBeText);

    /// <summary>A list of numbers; null where it is not written.</summary>
    public static IReadOnlyList<double>? Numbers(this JsonElement of, string name) => of.List(name, n => n.GetDouble());

    /// <summary>Values by name; null where none are written.</summary>
    public static Dictionary<string, T>? Values<T>(this JsonElement of, string name, Func<JsonElement, T> each)
    {
        if (of.At(name) is not { } all)
        {
            return null;
        }

        var read = new Dictionary<string, T>(StringComparer.Ordinal);
        foreach (var value in all.EnumerateObject())
        {
            read[value.Name] = each(value.Value);
        }

        return read;
    }

    /// <summary>A distance; null where it is not written. Its unit is a word in plans and a number in what devices take along.</summary>
    public static Distance? Length(this JsonElement of, string name) => of.At(name) is { } value ? Distance(value) : null;

    /// <summary>A distance.</summary>
    public static Distance Distance(this JsonElement value) =>
        new(value.MustNumber("amount"), value.GetProperty("unit") is { ValueKind: JsonValueKind.Number } number ? (DistanceUnit)number.GetInt32() : value.GetProperty("unit").Name<DistanceUnit>());

    private static string MustBeText(JsonElement value) => value.GetString() ?? throw new JsonException("A text is missing.");
}
