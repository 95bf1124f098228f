using System.Globalization;
using System.Text.RegularExpressions;
using InchBurst.Core.Catalogue;

namespace InchBurst.Core.Shorthand;

internal enum TokenKind
{
    Number,
    Clock,
    Word,
    Name,
    /// <summary>Words that are said to the athlete.</summary>
    Said,
    Quoted,
    Times,
    Symbol,
    End,
}

/// <summary>A piece of a shorthand line with its place in the text.</summary>
internal readonly record struct Token(TokenKind Kind, string Text, double Value, int Start, int Length)
{
    /// <summary>The exercise a name stands for.</summary>
    public Exercise? Exercise { get; init; }

    public bool Is(char symbol) => Kind == TokenKind.Symbol && Text[0] == symbol;

    public bool IsWord(params string[] words)
    {
        var text = Text;
        return Kind == TokenKind.Word && words.Any(w => string.Equals(w, text, StringComparison.OrdinalIgnoreCase));
    }
}

internal static partial class ShorthandTokens
{
    /// <summary>The tokens of a line, placed where they were typed.</summary>
    public static List<Token> Read(LineText line)
    {
        var text = line.Text;
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
            var token = One(line, at, afterNumber);
            at += token.Length;
            var (start, length) = line.Source(token.Start, token.Length);
            tokens.Add(token with { Start = start, Length = length });
        }

        tokens.Add(new(TokenKind.End, "", 0, line.Source(text.Length, 0).Start, 0));
        return tokens;
    }

    private static Token One(LineText line, int at, bool afterNumber)
    {
        var text = line.Text;
        if (line.KeptAt(at) is { } kept)
        {
            return new(kept.IsSaid ? TokenKind.Said : kept.IsQuote ? TokenKind.Quoted : TokenKind.Name, kept.Text, 0, at, 1) { Exercise = kept.Exercise };
        }

        if (text[at] == '"')
        {
            return new(TokenKind.Symbol, "\"", 0, at, 1);
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

    [GeneratedRegex(@"\G(\d{1,2}-point|\d{1,2}-\d{1,2}-\d{1,2}|\d{2,3}s-runs|u\d{2}s?|\dv\d)(?![\p{L}\d])", RegexOptions.IgnoreCase)]
    private static partial Regex NameWithDigits();

    [GeneratedRegex(@"\G(\d{1,3}):([0-5]\d)(?!\d)")]
    private static partial Regex ClockTime();

    [GeneratedRegex(@"\G\d{1,6}(\.\d{1,4})?")]
    private static partial Regex Number();

    [GeneratedRegex(@"\G\p{L}[\p{L}\p{M}']*(-[\p{L}\p{M}']+)*(-\d+)?")]
    private static partial Regex Word();
}
