using System.Text;

namespace InchBurst.Core.Shorthand;

/// <summary>
/// What a line must hold for a pattern to fit it, read from the pattern itself: of each entry at least one text. A line holds few of the hundreds of
/// things people write, so that most patterns need not be tried. What is asked for is never more than the pattern asks for.
/// </summary>
public static class HabitNeeds
{
    /// <summary>The texts, in small letters.</summary>
    /// <param name="pattern">A pattern without conditions on groups.</param>
    public static IReadOnlyList<string[]> Of(string pattern)
    {
        var at = 0;
        return [.. Alternatives(pattern, ref at).Where(n => Array.TrueForAll(n, IsTelling))];
    }

    // One letter is in nearly every line; one sign is not.
    private static bool IsTelling(string text) => text.Length > 1 || !char.IsLetterOrDigit(text[0]);

    private static List<string[]> Alternatives(string pattern, ref int at)
    {
        List<List<string[]>> ways = [Sequence(pattern, ref at)];
        while (at < pattern.Length && pattern[at] == '|')
        {
            at++;
            ways.Add(Sequence(pattern, ref at));
        }

        if (ways.Count == 1)
        {
            return ways[0];
        }

        // Of each way one text: the one that says most. A way that needs nothing makes the whole need nothing.
        var best = ways.ConvertAll(w => w.Where(n => Array.TrueForAll(n, IsTelling)).MaxBy(n => n.Min(t => t.Length)));
        return best.Contains(null) ? [] : [[.. best.SelectMany(n => n!).Distinct()]];
    }

    private static List<string[]> Sequence(string pattern, ref int at)
    {
        var needs = new List<string[]>();
        var text = new StringBuilder();
        void Close()
        {
            if (text.Length > 0)
            {
                needs.Add([text.ToString().ToLowerInvariant()]);
                text.Clear();
            }
        }

        while (at < pattern.Length && pattern[at] is not ('|' or ')'))
        {
            if (pattern[at] == '(')
            {
                Close();
                var isNot = Group(pattern, ref at);
                var inner = Alternatives(pattern, ref at);
                at++;
                if (!MayBeLeftOut(pattern, ref at, out _) && !isNot)
                {
                    needs.AddRange(inner);
                }
            }
            else if (Literal(pattern, ref at) is { } sign)
            {
                if (MayBeLeftOut(pattern, ref at, out var isRepeated))
                {
                    Close();
                }
                else
                {
                    text.Append(sign);
                    if (isRepeated)
                    {
                        Close();
                    }
                }
            }
            else
            {
                Close();
                MayBeLeftOut(pattern, ref at, out _);
            }
        }

        Close();
        return needs;
    }

    // Past the opening of a group; true where it says what must not be there.
    private static bool Group(string pattern, ref int at)
    {
        at++;
        if (at >= pattern.Length || pattern[at] != '?')
        {
            return false;
        }

        at++;
        var isBehind = pattern[at] == '<' && pattern[at + 1] is '=' or '!';
        var sign = pattern[isBehind ? at + 1 : at];
        at = pattern[at] == '<' && !isBehind ? pattern.IndexOf('>', at) + 1 : at + (isBehind ? 2 : 1);
        return sign == '!';
    }

    // The sign that stands for itself, or null for one that stands for many or for a place.
    private static char? Literal(string pattern, ref int at)
    {
        var sign = pattern[at++];
        switch (sign)
        {
            case '[':
                at = pattern.IndexOf(']', at + (pattern[at] == '^' ? 2 : 1)) + 1;
                return null;
            case '.' or '^' or '$':
                return null;
            case '\\':
                var escaped = pattern[at++];
                if (escaped is 'p' or 'P')
                {
                    at = pattern.IndexOf('}', at) + 1;
                }

                return char.IsLetterOrDigit(escaped) ? null : escaped;
            default:
                return sign;
        }
    }

    // Past what says how often; true where that may be never.
    private static bool MayBeLeftOut(string pattern, ref int at, out bool isRepeated)
    {
        isRepeated = false;
        var mayBe = false;
        if (at < pattern.Length && pattern[at] is '?' or '*' or '+')
        {
            (mayBe, isRepeated) = (pattern[at] != '+', true);
            at++;
        }
        else if (at < pattern.Length && pattern[at] == '{')
        {
            (mayBe, isRepeated) = (pattern[at + 1] == '0', true);
            at = pattern.IndexOf('}', at) + 1;
        }

        at += isRepeated && at < pattern.Length && pattern[at] == '?' ? 1 : 0;
        return mayBe;
    }
}
