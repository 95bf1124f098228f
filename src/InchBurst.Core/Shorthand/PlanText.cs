using System.Globalization;
using System.Text;
using System.Text.RegularExpressions;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Shorthand;

/// <summary>A problem in a text of several lines.</summary>
/// <param name="LineNumber">Line of the text, from 1.</param>
/// <param name="Text">That line as typed.</param>
/// <param name="Problem">What is wrong with it, placed within the line.</param>
public sealed record TextProblem(int LineNumber, string Text, ShorthandProblem Problem);

/// <summary>A text read as blocks; the blocks are those that could be read, and nothing is to be stored while there are problems.</summary>
/// <param name="Plan">The plan with the blocks added.</param>
/// <param name="Problems">Problems in order.</param>
public sealed record PlanTextReading(SessionPlan Plan, IReadOnlyList<TextProblem> Problems);

/// <summary>
/// A whole session as text (docs/formats.md): a line that ends in a colon opens a block, such as "Complex, 3 rounds, rest 3:00:", the lines
/// below belong to it; "3 rounds: a; b" is a block on one line.
/// </summary>
public static partial class PlanText
{
    /// <summary>Most characters taken.</summary>
    public const int LongestText = 20000;

    /// <summary>Reads a text and adds its blocks to a plan.</summary>
    /// <param name="text">The text.</param>
    /// <param name="context">Default unit and known exercises.</param>
    /// <param name="onto">Plan to add to; null begins a new one.</param>
    public static PlanTextReading Read(string text, ShorthandContext context, SessionPlan? onto = null)
    {
        var plan = onto ?? SessionPlan.Empty;
        var problems = new List<TextProblem>();
        if (text.Length > LongestText)
        {
            return new(plan, [new(1, text[..80], new(0, 0, $"A session may have {LongestText} characters."))]);
        }

        (string Title, int Rounds, double? Pause, bool Stations)? header = null;
        var inside = new List<PlanLine>();
        void Close()
        {
            if (header is { } h && inside.Count > 0)
            {
                plan = plan.Add(new PlanBlock(0, h.Title, [.. inside], h.Rounds, h.Pause, h.Stations));
            }

            inside.Clear();
            header = null;
        }

        var rows = text.Split('\n');
        for (var i = 0; i < rows.Length; i++)
        {
            var row = Bullet().Replace(rows[i].TrimEnd(), m => new string(' ', m.Length));
            if (row.Trim().Length == 0)
            {
                Close();
                continue;
            }

            if (row.EndsWith(':') && !row.Contains('"', StringComparison.Ordinal))
            {
                Close();
                header = Header(row.TrimEnd(':'));
                continue;
            }

            var (block, problem) = ReadOne(row, context);
            if (block is null)
            {
                problems.Add(new(i + 1, rows[i], problem!));
            }
            else if (block.Rounds > 1)
            {
                Close();
                plan = plan.Add(block);
            }
            else if (header is null)
            {
                plan = block.Lines.Aggregate(plan, (p, l) => p.Add(l, context.Catalogue.Find(l.Exercise)?.Family));
            }
            else
            {
                inside.AddRange(block.Lines);
            }

            if (plan.Lines.Count() + inside.Count > PlanEdits.MostLines)
            {
                problems.Add(new(i + 1, rows[i], new(0, 0, $"A session holds {PlanEdits.MostLines} lines.")));
                break;
            }
        }

        Close();
        return new(plan, problems);
    }

    /// <summary>Reads what may be one line or a block on one line.</summary>
    /// <param name="text">The text.</param>
    /// <param name="context">Default unit and known exercises.</param>
    /// <returns>The block with one line or several, or the problem.</returns>
    public static (PlanBlock? Block, ShorthandProblem? Problem) ReadOne(string text, ShorthandContext context) =>
        Habit.InTime(() => ReadInTime(text, context), (null, ShorthandLine.TookTooLong(text)));

    private static (PlanBlock? Block, ShorthandProblem? Problem) ReadInTime(string text, ShorthandContext context)
    {
        text = Bullet().Replace(LineText.WithPlainDigits(text), m => new string(' ', m.Length));
        var row = Unbracketed(text, context);
        var (block, problem, isPlaced) = ReadRow(row, text, context);

        // What is wrong is shown where it was typed, not where the rewritten row has it.
        return block is null && !isPlaced && row != text && ReadRow(text, text, context) is var plain ? (plain.Block, plain.Problem) : (block, problem);
    }

    private static (PlanBlock? Block, ShorthandProblem? Problem, bool IsPlaced) ReadRow(string row, string text, ShorthandContext context)
    {
        var isRounds = OneLineRounds().Match(row);
        var alone = isRounds.Success ? null : ShorthandLine.Read(row, context);
        var one = alone?.Line is { } line ? Alone(line, context) : null;
        if (one is not null && row == text)
        {
            // A line alone was held against its words when it was read.
            return (one, null, true);
        }

        var why = alone?.Problem;
        var (block, problem) = isRounds.Success ? RoundsOnOneLine(row, isRounds, context) : (one ?? Several(row, context) ?? Moved(row, context), why);
        if (block is null)
        {
            return (null, problem, row == text);
        }

        // A question about the whole row stands before the reason why it is not one line.
        return ShorthandAccount.Missing(text, block, PrintOne(block, context.Catalogue), context.Catalogue) is { } missing ? (null, row == text && missing.Length < text.Length ? why ?? missing : missing, true) : (block, null, true);
    }

    private static PlanBlock Alone(PlanLine line, ShorthandContext context) => new(0, PlanEdits.TitleFor(line, context.Catalogue.Find(line.Exercise)?.Family), [line]);

    /// <summary>A block as it can be typed on one row: a line alone, or rounds of several.</summary>
    /// <param name="block">The block.</param>
    /// <param name="catalogue">Known exercises.</param>
    public static string PrintOne(PlanBlock block, ExerciseCatalogue catalogue)
    {
        var lines = string.Join("; ", block.Lines.Select(l => ShorthandPrinter.Print(l, catalogue)));
        return block.Rounds == 1 ? lines : $"{block.Rounds} rounds{(block.RoundRestSeconds is { } rest ? " rest " + Figures.Clock(rest) : "")}: {lines}";
    }

    /// <summary>The plan as text; reading it gives the same plan but for its numbers.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="catalogue">Known exercises.</param>
    public static string Print(SessionPlan plan, ExerciseCatalogue catalogue)
    {
        var text = new StringBuilder();
        foreach (var block in plan.Blocks)
        {
            if (text.Length > 0)
            {
                text.Append('\n');
            }

            text.Append(CleanTitle(block.Title));
            if (block.Rounds > 1)
            {
                text.Append(CultureInfo.InvariantCulture, $", {block.Rounds} rounds");
            }

            if (block.RoundRestSeconds is { } rest)
            {
                text.Append(", rest ").Append(Figures.Clock(rest));
            }

            text.Append(block.Stations ? ", stations:\n" : ":\n");
            foreach (var line in block.Lines)
            {
                text.Append(ShorthandPrinter.Print(line, catalogue)).Append('\n');
            }
        }

        return text.ToString();
    }

    /// <summary>A title without the signs that have a meaning in the text, 1 to 60 characters.</summary>
    /// <param name="title">The title.</param>
    public static string CleanTitle(string title)
    {
        var clean = string.Join(' ', title.Split([':', ';', ',', '"', '\r', '\n', '\t', ' '], StringSplitOptions.RemoveEmptyEntries));
        return clean.Length switch { 0 => "Block", > 60 => clean[..60].TrimEnd(), _ => clean };
    }

    private static (PlanBlock? Block, ShorthandProblem? Problem) RoundsOnOneLine(string text, Match match, ShorthandContext context)
    {
        var rounds = int.Parse(match.Groups["n"].ValueSpan, CultureInfo.InvariantCulture);
        if (rounds is < 1 or > 20)
        {
            return (null, new(match.Groups["n"].Index, match.Groups["n"].Length, "From 1 to 20 rounds."));
        }

        double? rest = match.Groups["rest"].Success ? ClockSeconds(match.Groups["rest"].Value) : null;
        var lines = new List<PlanLine>();
        var body = text[match.Length..];
        foreach (var range in Parted().EnumerateSplits(body))
        {
            var part = body[range];
            if (part.Trim().Length == 0)
            {
                continue;
            }

            var reading = ShorthandLine.Read(part, context);
            if (reading.Problem is { } problem)
            {
                var at = match.Length + range.Start.GetOffset(body.Length);
                return (null, problem with { Start = problem.Start + at, Choices = [.. problem.Choices.Select(c => c with { Put = (c.Put.At + at, c.Put.Length, c.Put.Text) })] });
            }

            // A name alone in a round is one set of its usual dose: how often, the rounds say.
            lines.Add(part.Any(char.IsAsciiDigit) ? reading.Line! : reading.Line! with { Sets = 1, Reps = 1 });
        }

        if (rest is null && lines.Count > 0 && lines[0].Rest?.SetSeconds is { } after && lines.TrueForAll(l => l.TotalReps == 1 && l.Rest?.SetSeconds == after))
        {
            // What is rested after a set of one is rested after the round.
            (rest, lines) = (after, lines.ConvertAll(l => l with { Rest = l.Rest! with { SetSeconds = null } }));
        }

        if (rest is null && lines.Count > 1 && lines.TrueForAll(l => l.TotalReps == 1) && lines[^1].Rest is { SetSeconds: { } afterAll } within && lines.SkipLast(1).All(l => l.Rest is null))
        {
            // Two rests behind single runs: the first between them, the other after the round.
            (rest, lines) = (afterAll, [.. lines.SkipLast(1).Select(l => l with { Rest = within with { SetSeconds = null } }), lines[^1] with { Rest = null }]);
        }

        return lines.Count == 0
            ? (null, new(text.Length, 0, "What is in a round? Put ; between the lines."))
            : (new PlanBlock(0, lines.Count == 2 ? "Pair" : "Complex", lines, rounds, rest), null);
    }

    private static (string Title, int Rounds, double? Pause, bool Stations) Header(string row)
    {
        var rounds = 1;
        double? rest = null;
        var stations = false;
        var title = new List<string>();
        foreach (var part in row.Split(',', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries))
        {
            if (RoundsPart().Match(part) is { Success: true } r && int.Parse(r.Groups[1].ValueSpan, CultureInfo.InvariantCulture) is >= 1 and <= 20 and var n)
            {
                rounds = n;
            }
            else if (RestPart().Match(part) is { Success: true } t)
            {
                rest = ClockSeconds(t.Groups[1].Value);
            }
            else if (part.Equals("stations", StringComparison.OrdinalIgnoreCase))
            {
                stations = true;
            }
            else
            {
                title.Add(part);
            }
        }

        return (CleanTitle(string.Join(' ', title)), rounds, rest, stations);
    }

    private static double ClockSeconds(string text)
    {
        var parts = text.Split(':');
        return (int.Parse(parts[0], CultureInfo.InvariantCulture) * 60) + int.Parse(parts[1], CultureInfo.InvariantCulture);
    }

    [GeneratedRegex(@"^\s*(?<n>\d{1,3})\s*rounds?(?:\s+of)?(?:\s*,?\s+rest\s+(?<rest>\d{1,2}:[0-5]\d))?\s*:(?=\s*\S)", RegexOptions.IgnoreCase)]
    private static partial Regex OneLineRounds();

    [GeneratedRegex(@"^(\d{1,2})\s*rounds?$", RegexOptions.IgnoreCase)]
    private static partial Regex RoundsPart();

    [GeneratedRegex(@"^rest\s+(\d{1,2}:[0-5]\d)$", RegexOptions.IgnoreCase)]
    private static partial Regex RestPart();

    // A comma parts lines too where another exercise follows it.
    [GeneratedRegex(@";|,(?=\s*(?!(?:rest|gates?|for|each|per|log|cue|from|through|at|with|walk|in|as|sled|band|chain|vest|timed|full|easy|left|right|both|r|then)\b)\p{L}|\s*\d{1,3}\s*(?:m|yd)\s*(?:sprint|run|dash|hill|fly|flying|acceleration|bound|jog|free|unloaded|unresisted|sled|band|chain|vest|uphill)\p{L}*\b|\s*\d{1,3}\s*(?:m|yd)\s*(?:[,;]|$|(?<=\s|\d(?:m|yd)\s+)\p{L}[\p{L}-]*\s*[\p{L}-]*\s*(?:[,;]|$))|\s*\d{1,2}\s*x\s*\d|\s*\d{1,3}\s*(?:s|secs?|seconds?)\s+(?!rest|rec|walk|jog|easy|off|between)\p{L}{3}|\s*\d{1,2}\s+(?!(?:min|sec|metres?|meters?|yards?|rest|reps?|sets?|rounds?|kg|lb|cm|each|per|times)\p{L}*\b)\p{L}{3,})|\s\+\s(?=\p{L}|\d+\s*x)", RegexOptions.IgnoreCase)]
    private static partial Regex Parted();

    // Bullets and numbers in front of pasted lines: "- ", "* ", "1) ", "A1. ".
    [GeneratedRegex(@"^\s*(?:[-*•]|\d{1,2}[).]|[a-h]\)|[A-H]\d[).](?=\s*\p{L})(?!.*\b[A-H]2\b))\s+")]
    private static partial Regex Bullet();
}
