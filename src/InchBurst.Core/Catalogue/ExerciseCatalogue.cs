using InchBurst.Core.Plan;

namespace InchBurst.Core.Catalogue;

/// <summary>The exercises known to a club, found by name.</summary>
public sealed class ExerciseCatalogue
{
    private static readonly Lazy<ExerciseCatalogue> BuiltInOnce = new(() => new ExerciseCatalogue(ExerciseJson.ReadBuiltIn()));
    private readonly Dictionary<string, Exercise> byName = new(StringComparer.OrdinalIgnoreCase);
    private readonly Dictionary<string, Exercise> byFold = new(StringComparer.Ordinal);

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
        var easierOf = All.Where(e => e.Easier is not null).GroupBy(e => e.Easier!, StringComparer.OrdinalIgnoreCase).ToDictionary(g => g.Key, g => g.First().Name, StringComparer.OrdinalIgnoreCase);

        // What one says of the way up or down, the other need not say again.
        All = [.. All.Select(e => e with { Easier = e.Easier ?? harder.GetValueOrDefault(e.Name), Harder = e.Harder ?? easierOf.GetValueOrDefault(e.Name) })];
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

        foreach (var (name, exercise) in byName)
        {
            byFold.TryAdd(Fold(name), exercise);
        }

        foreach (var exercise in All)
        {
            byFold[Fold(exercise.Name)] = exercise;
        }

        Words = All.SelectMany(e => e.Also.Append(e.Name)).SelectMany(n => n.Split(' ')).ToHashSet(StringComparer.OrdinalIgnoreCase);
        LongestName = byName.Keys.Select(k => k.Count(c => c == ' ') + 1).DefaultIfEmpty(1).Max();
    }

    /// <summary>The exercises that ship with the program.</summary>
    public static ExerciseCatalogue BuiltIn => BuiltInOnce.Value;

    /// <summary>What the club's coaches tap besides what ships, with the drills they answer it with.</summary>
    public IReadOnlyList<Observation> OwnChips { get; init; } = [];

    /// <summary>What a code or words stand for: a chip of the club's own, whatever the case, one that ships, or the words themselves.</summary>
    /// <param name="code">Code or own words.</param>
    public Observation Seen(string code) => OwnChips.FirstOrDefault(o => o.Code.Equals(code, StringComparison.OrdinalIgnoreCase)) ?? Observations.Of(code);

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

        return byName.GetValueOrDefault(Key(name)) ?? byFold.GetValueOrDefault(Fold(name));
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

    /// <summary>Exercises in such an order that ladders follow from easy to hard where the first of their steps stood; all else stays in its order.</summary>
    /// <param name="exercises">Exercises of this catalogue.</param>
    /// <returns>Each with whether the next one is its harder one.</returns>
    public IReadOnlyList<(Exercise Exercise, bool LeadsOn)> InSteps(IEnumerable<Exercise> exercises)
    {
        var left = exercises.ToList();
        var placed = new List<Exercise>(left.Count);
        while (left.Count > 0)
        {
            var ladder = Ladder(left[0]).Where(left.Contains).ToList();
            placed.AddRange(ladder);
            left.RemoveAll(ladder.Contains);
        }

        return [.. placed.Select((e, i) => (e, i + 1 < placed.Count && Find(e.Harder) is { } harder && harder == placed[i + 1]))];
    }

    private static string Key(string name) => name.Trim().Replace('-', ' ').ToLowerInvariant();

    // How people write one name: one or many, in one word or two, with a hyphen or without.
    private static string Fold(string name) => string.Concat(Key(name).Replace("'", "", StringComparison.Ordinal).Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(Singular));

    private static string Singular(string word) => word switch
    {
        { Length: < 4 } => word is "up" or "us" || !word.EndsWith('s') || word.Length < 3 ? word : word[..^1],
        _ when word.EndsWith("ies", StringComparison.Ordinal) => word[..^3] + "y",
        _ when word.EndsWith("ches", StringComparison.Ordinal) || word.EndsWith("shes", StringComparison.Ordinal) || word.EndsWith("xes", StringComparison.Ordinal) || word.EndsWith("sses", StringComparison.Ordinal) => word[..^2],
        _ when word.EndsWith('s') && !word.EndsWith("ss", StringComparison.Ordinal) && !word.EndsWith("us", StringComparison.Ordinal) => word[..^1],
        _ => word,
    };
}
