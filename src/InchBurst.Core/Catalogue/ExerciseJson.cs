using System.Text.Json;
using System.Text.Json.Serialization;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Catalogue;

/// <summary>Exercises as JSON: those that ship and those a club stores.</summary>
public static class ExerciseJson
{
    /// <summary>An exercise as JSON.</summary>
    /// <param name="exercise">The exercise.</param>
    public static string Write(Exercise exercise) => JsonSerializer.Serialize(ExerciseRow.From(exercise), ExerciseJsonContext.Default.ExerciseRow);

    /// <summary>An exercise from JSON.</summary>
    /// <param name="json">Text made by <see cref="Write"/>, by this program or an older one.</param>
    /// <exception cref="JsonException">The text is not an exercise.</exception>
    public static Exercise Read(string json) => JsonRead.Document(json, Exercise);

    internal static IEnumerable<Exercise> ReadBuiltIn()
    {
        var assembly = typeof(ExerciseCatalogue).Assembly;
        foreach (var resource in assembly.GetManifestResourceNames().Where(n => n.Contains(".Catalogue.", StringComparison.Ordinal)).Order(StringComparer.Ordinal))
        {
            using var stream = assembly.GetManifestResourceStream(resource)!;
            using var rows = JsonDocument.Parse(stream, new() { AllowTrailingCommas = true });
            foreach (var row in rows.RootElement.EnumerateArray())
            {
                yield return Exercise(row);
            }
        }
    }

    // What is not written is as usual.
    private static Exercise Exercise(JsonElement e)
    {
        var (kind, movement) = (e.GetProperty("kind").Name<WorkKind>(), e.Named<Motion>("movement"));
        return new()
        {
            Name = e.MustText("name"),
            Also = e.Texts("also") ?? [],
            Kind = kind,
            Family = e.MustText("family"),
            Counted = e.GetProperty("counted").Name<CountedIn>(),
            Dose = e.MustText("dose"),
            Effort = e.MustNumber("effort"),
            Movement = movement,
            Load = e.At("load") is { } load ? PlanReader.Load(load) : null,
            EachSide = e.Flag("eachSide"),
            Contacts = e.Number("contacts") ?? 0,
            ShortContact = e.Flag("shortContact"),
            SecondsEach = e.Number("secondsEach") ?? 2,
            Kit = e.Texts("kit") ?? [],
            Points = e.Texts("points") ?? [],
            Faults = e.Texts("faults") ?? [],
            For = e.MustText("for"),
            Easier = e.Text("easier"),
            Harder = e.Text("harder"),
            Cautions = e.Texts("cautions") ?? [],
            Covers = e.Texts("covers") ?? [],
            Poses = e.Texts("poses") ?? [],
            Props = e.Texts("props") ?? [],
            Stops = e.At("stops")?.GetBoolean() ?? (movement is null && kind == WorkKind.Turn),
            StaticHold = e.Flag("staticHold"),
        };
    }
}

/// <summary>An exercise as it is written.</summary>
internal sealed record ExerciseRow
{
    public required string Name { get; init; }
    public IReadOnlyList<string>? Also { get; init; }
    public required WorkKind Kind { get; init; }
    public required string Family { get; init; }
    public required CountedIn Counted { get; init; }
    public required string Dose { get; init; }
    public required double Effort { get; init; }
    public Motion? Movement { get; init; }
    public LineLoad? Load { get; init; }
    public bool EachSide { get; init; }
    public double Contacts { get; init; }
    public bool ShortContact { get; init; }
    public double? SecondsEach { get; init; }
    public IReadOnlyList<string>? Kit { get; init; }
    public IReadOnlyList<string>? Points { get; init; }
    public IReadOnlyList<string>? Faults { get; init; }
    public required string For { get; init; }
    public string? Easier { get; init; }
    public string? Harder { get; init; }
    public IReadOnlyList<string>? Cautions { get; init; }
    public IReadOnlyList<string>? Covers { get; init; }
    public IReadOnlyList<string>? Poses { get; init; }
    public IReadOnlyList<string>? Props { get; init; }
    public bool? Stops { get; init; }
    public bool StaticHold { get; init; }

    public static ExerciseRow From(Exercise e) => new()
    {
        Name = e.Name,
        Also = e.Also,
        Kind = e.Kind,
        Family = e.Family,
        Counted = e.Counted,
        Dose = e.Dose,
        Effort = e.Effort,
        Movement = e.Movement,
        Load = e.Load,
        EachSide = e.EachSide,
        Contacts = e.Contacts,
        ShortContact = e.ShortContact,
        SecondsEach = e.SecondsEach,
        Kit = e.Kit,
        Points = e.Points,
        Faults = e.Faults,
        For = e.For,
        Easier = e.Easier,
        Harder = e.Harder,
        Cautions = e.Cautions,
        Covers = e.Covers,
        Poses = e.Poses,
        Props = e.Props,
        Stops = e.Stops,
        StaticHold = e.StaticHold,
    };
}

/// <summary>Enumerations as their names.</summary>
internal sealed class Names<T>() : JsonStringEnumConverter<T>
    where T : struct, Enum;

[JsonSourceGenerationOptions(
    JsonSerializerDefaults.Web,
    RespectNullableAnnotations = true,
    AllowTrailingCommas = true,
    DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
    Converters = [typeof(Names<WorkKind>), typeof(Names<CountedIn>), typeof(Names<Motion>), typeof(Names<LoadKind>), typeof(Names<LoadUnit>)])]
[JsonSerializable(typeof(ExerciseRow))]
internal sealed partial class ExerciseJsonContext : JsonSerializerContext;
