using InchBurst.Core.Catalogue;

namespace InchBurst.Core.Shorthand;

/// <summary>A way to go on with what is being typed.</summary>
/// <param name="Name">What is offered.</param>
/// <param name="Whole">The whole line with it in place.</param>
public sealed record Completion(string Name, string Whole);

/// <summary>Offers exercises of the catalogue for the words being typed at the end of a line.</summary>
public static class ShorthandCompletion
{
    /// <summary>Offers for a line, best first: names that begin with the words, then names with a word that does.</summary>
    /// <param name="text">The line so far.</param>
    /// <param name="catalogue">Known exercises.</param>
    /// <param name="most">Most offers, 1 to 20.</param>
    public static IReadOnlyList<Completion> Offer(string text, ExerciseCatalogue catalogue, int most = 6)
    {
        var from = text.Length;
        while (from > 0 && (char.IsLetter(text[from - 1]) || text[from - 1] is ' ' or '-' or '\''))
        {
            from--;
        }

        // "10 m ank": the words in front may be units or roles, so shorter endings are tried in turn.
        while (from < text.Length)
        {
            while (from < text.Length && text[from] is ' ' or '-')
            {
                from++;
            }

            if (Offers(text, from, catalogue, most) is { Count: > 0 } offers)
            {
                return offers;
            }

            while (from < text.Length && text[from] is not ' ')
            {
                from++;
            }
        }

        return [];
    }

    private static IReadOnlyList<Completion> Offers(string text, int from, ExerciseCatalogue catalogue, int most)
    {
        var typed = text[from..];
        var before = text[..from];
        if (typed.Trim().Length < 2 || ShorthandWords.IsVocabulary(typed.Trim()) || before.Contains('"', StringComparison.Ordinal))
        {
            return [];
        }

        var found = new List<(int Rank, Exercise Exercise)>();
        foreach (var exercise in catalogue.All)
        {
            // Its own name before its other ones.
            var rank = Math.Min(2 * Rank(exercise.Name, typed), exercise.Also.Select(n => (2 * Rank(n, typed)) + 1).DefaultIfEmpty(Far).Min());
            if (rank < Far)
            {
                found.Add((rank, exercise));
            }
        }

        // A whole name already typed needs no offer of itself.
        return
        [
            .. found.Where(f => !f.Exercise.Name.Equals(typed.Trim(), StringComparison.OrdinalIgnoreCase))
                .OrderBy(f => f.Rank).ThenBy(f => f.Exercise.Name.Length).Take(most)
                .Select(f => new Completion(f.Exercise.Name, before + f.Exercise.Name + (before.Any(char.IsDigit) ? "" : " " + f.Exercise.Dose))),
        ];
    }

    private const int Far = 6;

    private static int Rank(string name, string typed)
    {
        var plain = name.Replace('-', ' ');
        var wanted = typed.Trim().Replace('-', ' ');
        if (plain.StartsWith(wanted, StringComparison.OrdinalIgnoreCase))
        {
            return 0;
        }

        return plain.Contains(" " + wanted, StringComparison.OrdinalIgnoreCase) ? 1 : 3;
    }
}
