namespace InchBurst.Core.Live;

/// <summary>What people are called where there is little room: first name and the first letter of the last, and more of it where two would be called the same.</summary>
public static class ShortNames
{
    /// <summary>Short names for people who stand beside each other.</summary>
    /// <param name="names">Full names.</param>
    /// <returns>A short name for each full one; the full one where nothing shorter tells two apart.</returns>
    public static IReadOnlyDictionary<string, string> Of(IEnumerable<string> names)
    {
        var all = names.Distinct().ToList();
        return all.ToDictionary(name => name, name => Enumerable.Range(1, name.Length).Select(letters => Cut(name, letters)).FirstOrDefault(cut => all.Count(other => Cut(other, cut.Length - First(name).Length - 1) == cut) == 1) ?? name);
    }

    private static string First(string name) => name.Split(' ', StringSplitOptions.RemoveEmptyEntries) is [var first, ..] ? first : name;

    private static string Cut(string name, int letters) => name.Split(' ', StringSplitOptions.RemoveEmptyEntries) is [var first, .., var last] && letters > 0 ? $"{first} {last[..Math.Min(letters, last.Length)]}" : First(name);
}
