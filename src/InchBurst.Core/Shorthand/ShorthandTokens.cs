using System.Globalization;
using System.Text.RegularExpressions;

namespace InchBurst.Core.Shorthand;

internal enum TokenKind
{
    Number,
    Clock,
    Word,
    Quoted,
    Times,
    Symbol,
    End,
}

/// <summary>A piece of a shorthand line with its place in the text.</summary>
internal readonly record struct Token(TokenKind Kind, string Text, double Value, int Start, int Length)
{
    public bool Is(char symbol) => Kind == TokenKind.Symbol && Text[0] == symbol;

    public bool IsWord(params string[] words)
    {
        var text = Text;
        return Kind == TokenKind.Word && words.Any(w => string.Equals(w, text, StringComparison.OrdinalIgnoreCase));
    }
}

internal static partial class ShorthandTokens
{
    public static List<Token> Read(string line)
    {
        var text = Normalise(line);
        var tokens = new List<Token>();
        var at = 0;
        while (at < text.Length)
        {
            if (char.IsWhiteSpace(text[at]))
            {
                at++;
                continue;
            }

            var afterNumber = tokens.Count > 0 && tokens[^1].Kind is TokenKind.Number;
            var token = One(text, at, afterNumber);
            tokens.Add(token);
            at += token.Length;
        }

        tokens.Add(new(TokenKind.End, "", 0, line.Length, 0));
        return tokens;
    }

    // Every replacement keeps the length, so that places in the text stay true.
    private static string Normalise(string line) =>
        line.Replace('–', '-').Replace('−', '-').Replace('—', '-').Replace('×', 'x').Replace('“', '"').Replace('”', '"').Replace('’', '\'').Replace('·', ';');

    private static Token One(string text, int at, bool afterNumber)
    {
        if (text[at] == '"')
        {
            var end = text.IndexOf('"', at + 1);
            return end < 0
                ? new(TokenKind.Symbol, "\"", 0, at, 1)
                : new(TokenKind.Quoted, text[(at + 1)..end], 0, at, end - at + 1);
        }

        if (afterNumber && TimesSign().Match(text, at) is { Success: true } times)
        {
            return new(TokenKind.Times, "x", 0, at, times.Length);
        }

        if (NameWithDigits().Match(text, at) is { Success: true } named)
        {
            return new(TokenKind.Word, named.Value, 0, at, named.Length);
        }

        if (ClockTime().Match(text, at) is { Success: true } clock)
        {
            var value = (int.Parse(clock.Groups[1].ValueSpan, CultureInfo.InvariantCulture) * 60) + int.Parse(clock.Groups[2].ValueSpan, CultureInfo.InvariantCulture);
            return new(TokenKind.Clock, clock.Value, value, at, clock.Length);
        }

        if (Number().Match(text, at) is { Success: true } number)
        {
            return new(TokenKind.Number, number.Value, double.Parse(number.ValueSpan, CultureInfo.InvariantCulture), at, number.Length);
        }

        if (Word().Match(text, at) is { Success: true } word)
        {
            return new(TokenKind.Word, word.Value, 0, at, word.Length);
        }

        var length = char.IsHighSurrogate(text[at]) && at + 1 < text.Length ? 2 : 1;
        return new(TokenKind.Symbol, text.Substring(at, length), 0, at, length);
    }

    [GeneratedRegex(@"\G[xX](?=\s*\d)")]
    private static partial Regex TimesSign();

    [GeneratedRegex(@"\G(\d{1,2}-point|\d{1,2}-\d{1,2}-\d{1,2}|\d{2,3}s-runs)(?![\p{L}\d])", RegexOptions.IgnoreCase)]
    private static partial Regex NameWithDigits();

    [GeneratedRegex(@"\G(\d{1,3}):([0-5]\d)(?!\d)")]
    private static partial Regex ClockTime();

    [GeneratedRegex(@"\G\d{1,6}(\.\d{1,4})?")]
    private static partial Regex Number();

    [GeneratedRegex(@"\G\p{L}[\p{L}\p{M}']*(-[\p{L}\p{M}']+)*(-\d+)?")]
    private static partial Regex Word();
}
