using System.Text.RegularExpressions;

namespace InchBurst.Core.Shorthand;

/// <summary>
/// Ways out for a line that is refused without a question: words that the language does not know can be said to the athlete as they stand, and
/// a second piece of work can go on a line of its own. Only what reads further than the line did is offered.
/// </summary>
internal static partial class ShorthandWaysOut
{
    /// <summary>The problem with what may be done about it.</summary>
    /// <param name="typed">The line as typed.</param>
    /// <param name="problem">Why it is refused.</param>
    /// <param name="read">Reads a line, or several in one row; the problem left, or null.</param>
    public static ShorthandProblem For(string typed, ShorthandProblem problem, Func<string, ShorthandProblem?> read)
    {
        if (problem.Choices.Count > MostBefore || problem.Start >= typed.Length)
        {
            return problem;
        }

        bool Helps(ShorthandChoice choice) => read(choice.In(typed)) is not { } left || left.Start > choice.Put.At + choice.Put.Text.Length;
        var ways = new[] { Said(typed, problem) }.Concat(Parted(typed, problem)).OfType<ShorthandChoice>().Where(Helps).Take(1);
        return problem with { Choices = [.. problem.Choices, .. ways] };
    }

    // Beside more choices than these one more is no help.
    private const int MostBefore = 1;

    // Words, or what stands in brackets, as a cue.
    private static ShorthandChoice? Said(string typed, ShorthandProblem problem)
    {
        var (from, to) = typed[problem.Start] is '(' && typed.IndexOf(')', problem.Start) is > 0 and var close
            ? (problem.Start, close + 1)
            : UnknownWords().Match(typed, problem.Start) is { Success: true } words && words.Index == problem.Start ? (words.Index, words.Index + words.Length) : (0, 0);
        var said = typed[from..to].Trim('(', ')', ' ', ',');
        return said.Length == 0 || typed.Contains('"', StringComparison.Ordinal) ? null : new($"say it: {said}", (from, to - from, $"cue \"{said}\""));
    }

    // Parted before the second piece, at the sign or the word that joins them.
    private static IEnumerable<ShorthandChoice?> Parted(string typed, ShorthandProblem problem)
    {
        foreach (var joint in Joints().Matches(typed).Where(j => j.Index > 0 && j.Index <= problem.Start + problem.Length).OrderByDescending(j => j.Index))
        {
            var (before, after) = (typed[..joint.Index].Trim(), typed[(joint.Index + joint.Length)..].Trim());
            yield return before.Length == 0 || after.Length == 0 ? null : new($"two lines: {before} · {after}", (joint.Index, joint.Length, "; "));
        }
    }

    [GeneratedRegex(@"[\p{L}\p{M}'][\p{L}\p{M}'\d-]*(?:\s+(?!(?:rest|from|each|for|gates?|log|cue|sled|band|with|x)\b)[\p{L}\p{M}'][\p{L}\p{M}'-]*)*", RegexOptions.IgnoreCase)]
    private static partial Regex UnknownWords();

    [GeneratedRegex(@"\s*(?:[,;+&]|\b(?:and|then|into|followed by)\b)\s*|\s+(?=\d+\s*x)", RegexOptions.IgnoreCase)]
    private static partial Regex Joints();
}
