using InchBurst.Core.Catalogue;
using static InchBurst.Core.Shorthand.ShorthandWords;

namespace InchBurst.Core.Shorthand;

/// <summary>Names of exercises: those that are known, and those that nobody knows yet.</summary>
internal sealed partial class ShorthandReader
{
    private void OwnExercise()
    {
        var first = at;
        while (Now.Kind == TokenKind.Word && (at == first || (!IsKeyword(Now) && !(Now.IsWord("in") && Next.IsWord("waves")) && CatalogueMatch() is null)))
        {
            at++;
        }

        // A slip in front of words that are a name by themselves: "ankel dribble", "lataral hop".
        if (Now.Kind == TokenKind.Name)
        {
            at++;
        }
        else if (Now.Kind == TokenKind.Word && CatalogueMatch() is { Words: var more } && Nearest(string.Join(' ', tokens.Skip(first).Take(at - first + more).Select(t => t.Text)), context.Catalogue.Names) is not null)
        {
            at += more;
        }

        var last = tokens[at - 1];
        var name = string.Join(' ', tokens.Skip(first).Take(at - first).Select(t => t.Text));
        if (tokens.FindIndex(first, at - first, t => t.IsWord("x")) is > 0 and var x && x > first)
        {
            if (Now.Kind != TokenKind.Number || (Next.Kind == TokenKind.Word && (DistanceUnits.ContainsKey(Next.Text) || TimeUnits.ContainsKey(Next.Text))))
            {
                throw Wrong(tokens[x - 1], $"“{tokens[x - 1].Text}” is not a number.");
            }

            // So many of something that nobody knows yet.
            at = x;
            last = tokens[x - 1];
            name = string.Join(' ', tokens.Skip(first).Take(x - first).Select(t => t.Text));
        }

        // Known words with a strange one among them are a slip where, that word mended, it is a name.
        if (at - first > 1 && tokens.Skip(first).Take(at - first).FirstOrDefault(t => !context.Catalogue.Words.Contains(t.Text)) is { Length: > 0 } strange
            && Nearest(strange.Text, context.Catalogue.Words) is { } mended && context.Catalogue.Find(string.Join(' ', tokens.Skip(first).Take(at - first).Select(t => t == strange ? mended : t.Text))) is not null)
        {
            throw Doubtful(tokens[first] with { Length = last.Start + last.Length - tokens[first].Start }, name, mended, strange);
        }

        var near = Nearest(name, context.Catalogue.Names.Concat(Keywords).Concat(Plainest));
        if (near is null && Now.Kind == TokenKind.End)
        {
            near = Nearest(tokens[first].Text, Keywords);
        }

        throw Doubtful(tokens[first] with { Length = last.Start + last.Length - tokens[first].Start }, name, near);
    }

    // A known exercise with words before or behind that say how: overhead slam, box squat. The longest name counts.
    private (Exercise Known, string How)? Within(string name)
    {
        var words = name.Split(' ');
        for (var count = words.Length - 1; count > 0; count--)
        {
            if (context.Catalogue.Find(string.Join(' ', words[^count..])) is { } last && !IsVocabulary(words[^1]) && !(count == 1 && General.Contains(words[^1])))
            {
                return (last, string.Join(' ', words[..^count]));
            }

            if (context.Catalogue.Find(string.Join(' ', words[..count])) is { } first && !IsVocabulary(words[0]))
            {
                return (first, string.Join(' ', words[count..]));
            }
        }

        return null;
    }

    // What a run is called and begins from, which is no name of an exercise and may be slipped on too.
    private static readonly string[] Plainest = ["sprint", "sprints", "blocks", "flying"];

    // Words that say what sort of thing it is, which is no exercise by itself behind another word.
    private static readonly HashSet<string> General = new(["drill", "drills", "raise", "raises", "run", "runs"], StringComparer.OrdinalIgnoreCase);

    private static bool IsKeyword(Token token) =>
        token.IsWord("from", "rest", "gates", "gate", "through", "each", "for", "cue", "as", "log")
        || Loads.ContainsKey(token.Text) || EffortWords.ContainsKey(token.Text);

    private (Exercise Exercise, int Words)? CatalogueMatch()
    {
        var name = "";
        (Exercise, int)? found = null;
        for (var i = 0; i < context.Catalogue.LongestName && tokens[at + i].Kind == TokenKind.Word; i++)
        {
            name = i == 0 ? tokens[at].Text : name + " " + tokens[at + i].Text;
            if (context.Catalogue.Find(name) is { } known)
            {
                found = (known, i + 1);
            }
        }

        return found;
    }
}
