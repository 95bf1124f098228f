using System.Globalization;
using System.Text;
using System.Text.RegularExpressions;
using InchBurst.Core.Catalogue;

namespace InchBurst.Core.Shorthand;

/// <summary>
/// A line while it is brought into the language's own words: every character knows where in what was typed it comes from, so that a problem is
/// shown at its place however often the line was rewritten.
/// </summary>
internal sealed partial class LineText
{
    // What must not be rewritten stands as one private character: a quoted text, or the name of an exercise.
    internal const char FirstKept = '\uE100';
    internal const char LastKept = '\uE1FF';

    // What a habit has the coach say to the athlete stands as one private character too.
    private const char FirstSaid = '\uE200';
    private const char LastSaid = '\uE2FF';

    private readonly List<Kept> kept;
    private readonly int[] starts;
    private readonly int[] ends;

    private LineText(string text, int[] starts, int[] ends, List<Kept> kept) => (Text, this.starts, this.ends, this.kept) = (text, starts, ends, kept);

    /// <summary>Something kept whole: a quoted text, an exercise found by a name, or words that are said to the athlete.</summary>
    public sealed record Kept(string Text, Exercise? Exercise, bool IsQuote, int Words = 1, bool IsSaid = false);

    /// <summary>The line as it reads now.</summary>
    public string Text { get; }

    /// <summary>The same in small letters.</summary>
    public string Small => small ??= Text.ToLowerInvariant();

    private string? small;

    /// <summary>A class of the characters that stand for exercises and quoted texts, for patterns.</summary>
    public const string KeptClass = "[\uE100-\uE1FF]";

    /// <summary>A class of the characters that stand for what is said to the athlete, for patterns.</summary>
    public const string SaidClass = "[\uE200-\uE2FF]";

    /// <summary>What a character stands for, or null for an ordinary one.</summary>
    public Kept? KeptAt(int at) => Text[at] switch
    {
        >= FirstKept and <= LastKept => kept[Text[at] - FirstKept],
        >= FirstSaid and <= LastSaid => kept[Text[at] - FirstSaid],
        _ => null,
    };

    /// <summary>A piece of the line's text with what is said to the athlete in the language's own words.</summary>
    /// <param name="piece">A stretch of <see cref="Text"/>.</param>
    public string Spelt(string piece)
    {
        bool IsSaid(char c) => c is >= FirstSaid and <= LastSaid && c - FirstSaid < kept.Count && kept[c - FirstSaid].IsSaid;
        var said = piece.Where(IsSaid).Select(c => kept[c - FirstSaid].Text).ToList();
        return said.Count == 0 ? piece : $"{string.Concat(piece.Where(c => !IsSaid(c)))} cue \"{string.Join(", ", said)}\"";
    }

    /// <summary>Where in what was typed a stretch lies.</summary>
    public (int Start, int Length) Source(int at, int length) =>
        at >= Text.Length ? (ends.Length == 0 ? 0 : ends.Max(), 0) : (starts[at], Math.Max(0, ends[at + Math.Max(1, length) - 1] - starts[at]));

    /// <summary>What was typed, with signs of one meaning made one and quoted texts set aside.</summary>
    public static LineText Of(string typed)
    {
        var text = new StringBuilder();
        var (starts, ends, kept) = (new List<int>(), new List<int>(), new List<Kept>());
        void Put(char c, int start, int end)
        {
            text.Append(c);
            starts.Add(start);
            ends.Add(end);
        }

        for (var i = 0; i < typed.Length; i++)
        {
            var c = Plain(typed[i]);
            if (c == '"' && i > 0 && char.IsAsciiDigit(Plain(typed[i - 1])))
            {
                // 75" is seconds; a quoted text never follows a digit at once.
                c = '″';
            }

            if (c == '"' && ClosingQuote(typed, i) is > 0 and var end && kept.Count <= LastKept - FirstKept)
            {
                Put((char)(FirstKept + kept.Count), i, end + 1);
                kept.Add(new(new([.. typed[(i + 1)..end].Select(Quoted)]), null, true));
                i = end;
                continue;
            }

            // One space says as much as many.
            if (c != ' ' || text.Length == 0 || text[^1] != ' ')
            {
                Put(c, i, i + 1);
            }
        }

        return new(text.ToString(), [.. starts], [.. ends], kept);
    }

    /// <summary>The line with every place that fits a pattern rewritten; $1 to $9 are what its groups hold, and what stands between &lt; and &gt; is said to the athlete. A line that takes a pattern too long is no line a person writes, and stays.</summary>
    public LineText Replace(Habit habit)
    {
        if (!habit.MayFit(Small))
        {
            return this;
        }

        return Habit.InTime(() => Rewritten(habit.Pattern, habit.Make ?? (_ => habit.With)), this);
    }

    private LineText Rewritten(Regex pattern, Func<Match, string> make)
    {
        var match = pattern.Match(Text);
        if (!match.Success)
        {
            return this;
        }

        var text = new StringBuilder();
        var (from, to) = (new List<int>(), new List<int>());
        void Copy(int at, int length)
        {
            text.Append(Text, at, length);
            from.AddRange(starts.AsSpan(at, length));
            to.AddRange(ends.AsSpan(at, length));
        }

        List<Kept> all = [.. kept];
        var done = 0;
        for (; match.Success; match = match.NextMatch())
        {
            Copy(done, match.Index - done);
            var (start, length) = Source(match.Index, match.Length);
            var with = make(match);
            if (with == match.Value)
            {
                // Left as it is, every character keeps its place.
                Copy(match.Index, match.Length);
                done = match.Index + match.Length;
                continue;
            }

            for (var i = 0; i < with.Length; i++)
            {
                if (with[i] == '<' && with.IndexOf('>', i) is > 0 and var end && all.Count <= LastKept - FirstKept)
                {
                    text.Append((char)(FirstSaid + all.Count));
                    from.Add(start);
                    to.Add(start + length);
                    all.Add(new(Filled(with[(i + 1)..end], match), null, false, 1, true));
                    i = end;
                    continue;
                }

                if (with[i] == '$' && i + 1 < with.Length && char.IsAsciiDigit(with[i + 1]))
                {
                    var group = match.Groups[with[++i] - '0'];
                    Copy(group.Success ? group.Index : 0, group.Success ? group.Length : 0);
                    continue;
                }

                text.Append(with[i]);
                from.Add(start);
                to.Add(start + length);
            }

            done = match.Index + match.Length;
        }

        Copy(done, Text.Length - done);
        return new(text.ToString(), [.. from], [.. to], all);
    }

    // Words with what the groups hold in them, in small letters; a quotation mark that nothing closes would end what is said, and signs nobody sees are none of it.
    private static string Filled(string words, Match match) => GroupSign().Replace(words, g => string.Concat(match.Groups[g.Value[1] - '0'].Value.Where(c => c != '"' && !char.IsControl(c))).Trim().ToLowerInvariant());

    [GeneratedRegex(@"\$\d")]
    private static partial Regex GroupSign();

    /// <summary>The line with a stretch set aside as the name of an exercise.</summary>
    public LineText Keep(int at, int length, Exercise exercise, int words)
    {
        if (kept.Count > LastKept - FirstKept)
        {
            return this;
        }

        var (start, long_) = Source(at, length);
        List<Kept> all = [.. kept, new(Text.Substring(at, length), exercise, false, words)];
        return new(Text[..at] + (char)(FirstKept + kept.Count) + Text[(at + length)..], [.. starts[..at], start, .. starts[(at + length)..]], [.. ends[..at], start + long_, .. ends[(at + length)..]], all);
    }

    private static int ClosingQuote(string typed, int open)
    {
        for (var i = open + 1; i < typed.Length; i++)
        {
            if (Plain(typed[i]) == '"')
            {
                return i;
            }
        }

        return -1;
    }

    private static char Quoted(char c) => Plain(c) is '\'' or '-' or 'x' && !char.IsLetter(c) ? Plain(c) : c;

    /// <summary>The same with digits of every script as 0 to 9, each in its place.</summary>
    /// <param name="typed">What was typed.</param>
    public static string WithPlainDigits(string typed) => string.Concat(typed.Select(c => char.GetUnicodeCategory(c) == UnicodeCategory.DecimalDigitNumber ? (char)('0' + (int)char.GetNumericValue(c)) : c));

    // One sign for one meaning: dashes, quotation marks, spaces, digits of other scripts, letters and signs of full width.
    private static char Plain(char c) => c switch
    {
        '–' or '−' or '—' or '‑' => '-',
        '×' or '✕' or '∗' or '*' => 'x',
        '“' or '”' or '„' or '«' or '»' => '"',
        '″' => '″',
        '’' or '‘' or '′' or '`' => '\'',
        '·' => ';',
        '[' or '{' => '(',
        ']' or '}' => ')',
        '½' => c,
        _ when char.IsWhiteSpace(c) => ' ',
        >= '\uFF01' and <= '\uFF5E' => Plain((char)(c - 0xFEE0)),
        _ when char.GetUnicodeCategory(c) == UnicodeCategory.DecimalDigitNumber => (char)('0' + (int)char.GetNumericValue(c)),
        >= FirstKept and <= LastSaid => '\uFFFD',
        _ => c,
    };
}
