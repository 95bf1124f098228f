using System.Text.Json;
using System.Text.Json.Serialization;
using InchBurst.Core.Plan;

namespace InchBurst.Core.Catalogue;

/// <summary>What an exercise's dose counts.</summary>
public enum CountedIn
{
    /// <summary>Metres travelled.</summary>
    Metres,

    /// <summary>Seconds.</summary>
    Seconds,

    /// <summary>Repetitions.</summary>
    Reps,

    /// <summary>Passes of a course.</summary>
    Passes,
}

/// <summary>An exercise of the catalogue.</summary>
public sealed record Exercise
{
    /// <summary>Name as a coach says it, unique in the catalogue whatever the case.</summary>
    public required string Name { get; init; }

    /// <summary>Other names it is typed by.</summary>
    public IReadOnlyList<string> Also { get; init; } = [];

    /// <summary>Kind of work.</summary>
    public required WorkKind Kind { get; init; }

    /// <summary>Family within the kind: a warm-up stage (raise, activate, mobilise, potentiate) or such as "upright running".</summary>
    public required string Family { get; init; }

    /// <summary>What its dose counts.</summary>
    public required CountedIn Counted { get; init; }

    /// <summary>Usual dose in shorthand, such as "2 x 15 m".</summary>
    public required string Dose { get; init; }

    /// <summary>Usual effort in percent, 1 to 110.</summary>
    public required double Effort { get; init; }

    /// <summary>True when left and right are done and counted apart.</summary>
    public bool EachSide { get; init; }

    /// <summary>Ground contacts: for one repetition or pass, or for each 10 m; 0 when they do not matter.</summary>
    public double Contacts { get; init; }

    /// <summary>True when its ground contacts are short and stiff, false for long ones.</summary>
    public bool ShortContact { get; init; }

    /// <summary>Seconds one repetition or pass takes, 0.3 to 60.</summary>
    public double SecondsEach { get; init; } = 2;

    /// <summary>Kit needed.</summary>
    public IReadOnlyList<string> Kit { get; init; } = [];

    /// <summary>Coaching points.</summary>
    public IReadOnlyList<string> Points { get; init; } = [];

    /// <summary>Usual faults.</summary>
    public IReadOnlyList<string> Faults { get; init; } = [];

    /// <summary>What it is for, in one sentence an athlete understands.</summary>
    public required string For { get; init; }

    /// <summary>Name of the next easier exercise, or null; the catalogue finds it from the others' <see cref="Harder"/>.</summary>
    public string? Easier { get; init; }

    /// <summary>Name of the next harder exercise, or null.</summary>
    public string? Harder { get; init; }

    /// <summary>Cautions.</summary>
    public IReadOnlyList<string> Cautions { get; init; } = [];

    /// <summary>Body regions it prepares: hips, hamstrings, adductors, upper back, calves, trunk, shoulders.</summary>
    public IReadOnlyList<string> Covers { get; init; } = [];

    /// <summary>True when it is a long static hold, which belongs after the session.</summary>
    public bool StaticHold { get; init; }
}

/// <summary>The exercises known to a club, found by name.</summary>
public sealed class ExerciseCatalogue
{
    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter() },
        RespectNullableAnnotations = true,
        AllowTrailingCommas = true,
    };

    private static readonly Lazy<ExerciseCatalogue> BuiltInOnce = new(() => new ExerciseCatalogue(ReadBuiltIn()));
    private readonly Dictionary<string, Exercise> byName = new(StringComparer.OrdinalIgnoreCase);

    /// <summary>Makes a catalogue.</summary>
    /// <param name="exercises">Exercises; a later one replaces an earlier one of the same name.</param>
    public ExerciseCatalogue(IEnumerable<Exercise> exercises)
    {
        var named = new Dictionary<string, Exercise>(StringComparer.OrdinalIgnoreCase);
        foreach (var exercise in exercises)
        {
            named[exercise.Name] = exercise;
        }

        All = [.. named.Values.OrderBy(e => e.Kind).ThenBy(e => e.Family, StringComparer.Ordinal).ThenBy(e => e.Name, StringComparer.OrdinalIgnoreCase)];
        var harder = All.Where(e => e.Harder is not null).GroupBy(e => e.Harder!, StringComparer.OrdinalIgnoreCase).ToDictionary(g => g.Key, g => g.First().Name, StringComparer.OrdinalIgnoreCase);
        All = [.. All.Select(e => harder.TryGetValue(e.Name, out var easier) ? e with { Easier = easier } : e)];
        foreach (var exercise in All)
        {
            foreach (var name in exercise.Also)
            {
                byName[Key(name)] = exercise;
            }
        }

        foreach (var exercise in All)
        {
            byName[Key(exercise.Name)] = exercise;
        }

        Words = All.SelectMany(e => e.Also.Append(e.Name)).SelectMany(n => n.Split(' ')).ToHashSet(StringComparer.OrdinalIgnoreCase);
        LongestName = byName.Keys.Select(k => k.Count(c => c == ' ') + 1).DefaultIfEmpty(1).Max();
    }

    /// <summary>The exercises that ship with the program.</summary>
    public static ExerciseCatalogue BuiltIn => BuiltInOnce.Value;

    /// <summary>All exercises by kind, family and name.</summary>
    public IReadOnlyList<Exercise> All { get; }

    /// <summary>Most words in any name.</summary>
    public int LongestName { get; }

    /// <summary>All words that occur in names, whatever the case.</summary>
    public IReadOnlySet<string> Words { get; }

    /// <summary>All names and other names.</summary>
    public IEnumerable<string> Names => byName.Keys;

    /// <summary>The exercise of a name or other name, whatever the case, hyphen or plural; null when unknown.</summary>
    /// <param name="name">Name as typed.</param>
    public Exercise? Find(string? name)
    {
        if (string.IsNullOrWhiteSpace(name))
        {
            return null;
        }

        var key = Key(name);
        return byName.GetValueOrDefault(key)
            ?? (key.EndsWith('s') ? byName.GetValueOrDefault(key[..^1]) : byName.GetValueOrDefault(key + "s"));
    }

    /// <summary>Exercises that hold every word searched for, of a kind and against a fault where these are given.</summary>
    /// <param name="words">Words, or null for all.</param>
    /// <param name="kind">Kind of work, or null for all.</param>
    /// <param name="fault">A usual fault, or null for any.</param>
    public IReadOnlyList<Exercise> Search(string? words, WorkKind? kind = null, string? fault = null)
    {
        var wanted = (words ?? "").Replace('-', ' ').Split(' ', StringSplitOptions.RemoveEmptyEntries);
        return
        [
            .. All.Where(e => (kind is null || e.Kind == kind)
                && (string.IsNullOrEmpty(fault) || e.Faults.Contains(fault, StringComparer.OrdinalIgnoreCase))
                && wanted.All(w => Text(e).Contains(w, StringComparison.OrdinalIgnoreCase))),
        ];

        static string Text(Exercise e) => string.Join(' ', e.Also.Append(e.Name).Append(e.Family).Append(e.For).Concat(e.Points).Concat(e.Kit).Concat(e.Covers)).Replace('-', ' ');
    }

    /// <summary>The path of an exercise from the easiest to the hardest, itself included; never longer than 12 steps.</summary>
    /// <param name="exercise">An exercise of this catalogue.</param>
    public IReadOnlyList<Exercise> Ladder(Exercise exercise)
    {
        var path = new List<Exercise> { exercise };
        while (path.Count < 12 && Find(path[0].Easier) is { } easier && !path.Contains(easier))
        {
            path.Insert(0, easier);
        }

        while (path.Count < 12 && Find(path[^1].Harder) is { } harder && !path.Contains(harder))
        {
            path.Add(harder);
        }

        return path;
    }

    /// <summary>An exercise as JSON.</summary>
    /// <param name="exercise">The exercise.</param>
    public static string Write(Exercise exercise) => JsonSerializer.Serialize(exercise, Options);

    /// <summary>An exercise from JSON.</summary>
    /// <param name="json">Text made by <see cref="Write"/>.</param>
    /// <exception cref="JsonException">The text is not an exercise.</exception>
    public static Exercise Read(string json) => JsonSerializer.Deserialize<Exercise>(json, Options) ?? throw new JsonException("The exercise is empty.");

    private static string Key(string name) => name.Trim().Replace('-', ' ').ToLowerInvariant();

    private static IEnumerable<Exercise> ReadBuiltIn()
    {
        var assembly = typeof(ExerciseCatalogue).Assembly;
        foreach (var resource in assembly.GetManifestResourceNames().Where(n => n.EndsWith(".json", StringComparison.Ordinal)).Order(StringComparer.Ordinal))
        {
            using var stream = assembly.GetManifestResourceStream(resource)!;
            foreach (var exercise in JsonSerializer.Deserialize<Exercise[]>(stream, Options)!)
            {
                yield return exercise;
            }
        }
    }
}
