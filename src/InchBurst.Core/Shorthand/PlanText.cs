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
    public static (PlanBlock? Block, ShorthandProblem? Problem) ReadOne(string text, ShorthandContext context)
    {
        var row = Unbracketed(text, context);
        var (block, problem, isPlaced) = ReadRow(row, text, context);

        // What is wrong is shown where it was typed, not where the rewritten row has it.
        return block is null && !isPlaced && row != text && ReadRow(text, text, context) is var plain ? (plain.Block, plain.Problem) : (block, problem);
    }

    private static (PlanBlock? Block, ShorthandProblem? Problem, bool IsPlaced) ReadRow(string row, string text, ShorthandContext context)
    {
        var isRounds = OneLineRounds().Match(row);
        var alone = isRounds.Success ? null : ShorthandLine.Read(row, context);
        PlanBlock? one = alone?.Line is { } line ? new PlanBlock(0, PlanEdits.TitleFor(line, context.Catalogue.Find(line.Exercise)?.Family), [line]) : null;
        if (one is not null && row == text)
        {
            // A line alone was held against its words when it was read.
            return (one, null, true);
        }

        var why = alone?.Problem;
        var (block, problem) = isRounds.Success ? RoundsOnOneLine(row, isRounds, context) : (one ?? Several(row, context), why);
        if (block is null)
        {
            return (null, problem, row == text);
        }

        // A question about the whole row stands before the reason why it is not one line.
        return ShorthandAccount.Missing(text, block, PrintOne(block, context.Catalogue), context.Catalogue) is { } missing ? (null, row == text && missing.Length < text.Length ? why ?? missing : missing, true) : (block, null, true);
    }

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
        var at = match.Length;
        foreach (var part in Parted().Split(text[at..]))
        {
            if (part.Trim().Length > 0)
            {
                var reading = ShorthandLine.Read(part, context);
                if (reading.Problem is { } problem)
                {
                    return (null, problem with { Start = problem.Start + at });
                }

                lines.Add(reading.Line!);
            }

            at += part.Length + 1;
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

    // 2 x (200 m, 150 m, 100 m) rest 5 min: rounds of one run each. A ladder of lengths is one run of each.
    private static string Unbracketed(string row, ShorthandContext context)
    {
        if (JumpThenSprint().Match(row) is { Success: true } burst && context.Catalogue.Find(burst.Groups["jump"].Value) is { } jump && (burst.Groups["far"].Success ? jump.Counted == CountedIn.Metres && jump.Does is (Motion.Skip or Motion.March or Motion.Bound or Motion.Hop) && !burst.Groups["reps"].Success : jump.Does is Motion.Jump or Motion.Bound or Motion.Hop or Motion.Throw))
        {
            // A jump or a drill and straight into a sprint are rounds of one each.
            return $"{(burst.Groups["n"].Success ? burst.Groups["n"].Value : "3")} rounds{(burst.Groups["rest"].Success ? " rest " + burst.Groups["rest"].Value : "")}: {jump.Name} {(burst.Groups["far"].Success ? burst.Groups["far"].Value : (burst.Groups["reps"].Success ? burst.Groups["reps"].Value : "1") + " reps" + (jump.EachSide ? " each side" : ""))}; {burst.Groups["run"].Value}";
        }

        if (JumpIntoJump().Match(row) is { Success: true } jumps && context.Catalogue.Find(jumps.Groups["first"].Value) is { Does: Motion.Jump or Motion.Hop or Motion.Bound, Counted: CountedIn.Reps } into && context.Catalogue.Find(jumps.Groups["second"].Value) is { Does: Motion.Jump or Motion.Hop or Motion.Bound, Counted: CountedIn.Reps } landing && into != landing)
        {
            // One jump and straight into another: rounds, so that every landing counts.
            return $"{jumps.Groups["n"].Value} rounds: {into.Name} {jumps.Groups["reps"].Value} reps{(into.EachSide ? " each side" : "")} cue \"each into {landing.Name}\"; {landing.Name} {jumps.Groups["reps"].Value} reps{(landing.EachSide ? " each side" : "")}";
        }

        if (LiftThenRun().Match(row) is { Success: true } mixed && context.Catalogue.Find(mixed.Groups["lift"].Value) is { Counted: CountedIn.Reps } lifted)
        {
            // A set of a lift and a sprint or jumps behind it are rounds.
            return $"{mixed.Groups["n"].Value} rounds{(mixed.Groups["rest"].Success ? " rest " + mixed.Groups["rest"].Value : "")}: {lifted.Name} {mixed.Groups["reps"].Value} reps{mixed.Groups["load"].Value}; {mixed.Groups["then"].Value}";
        }

        if (SetsOfSeveral().Match(row) is { Success: true } several)
        {
            // Sets of more than one run are rounds.
            return $"{several.Groups["n"].Value} rounds: {several.Groups["what"].Value}";
        }

        if (RoundsBehind().Match(row) is { Success: true } behind)
        {
            // The rounds are said behind what is in them.
            return $"{behind.Groups["n"].Value} rounds{(behind.Groups["rest"].Success ? " rest " + behind.Groups["rest"].Value : "")}: {behind.Groups["what"].Value}";
        }

        if (LoadedThenFree().Match(row) is { Success: true } pair)
        {
            // Loaded and free after one another are rounds of one run each.
            return $"{(pair.Groups["n"].Success ? pair.Groups["n"].Value : "3")} rounds{(pair.Groups["rest"].Success ? " rest " + pair.Groups["rest"].Value : "")}: {pair.Groups["loaded"].Value}; {pair.Groups["free"].Value}";
        }

        if (ComplexInBrackets().Match(row) is { Success: true } complex && complex.Groups["name"].Captures.Count == complex.Groups["reps"].Captures.Count
            && complex.Groups["name"].Captures.All(c => context.Catalogue.Find(c.Value.Trim()) is { Counted: CountedIn.Reps }))
        {
            // Lifts after one another in brackets are rounds of so many each.
            return $"{complex.Groups["n"].Value} rounds: {string.Join("; ", complex.Groups["name"].Captures.Zip(complex.Groups["reps"].Captures, (n, r) => $"{n.Value.Trim()} {r.Value} reps{complex.Groups["load"].Value}"))}";
        }

        if (SplitRun().Match(row) is { Success: true } split && (!split.Groups["whole"].Success || Metres(split, "whole") == Metres(split, "one") + Metres(split, "other")))
        {
            // A run in two parts is two runs, one soon behind the other.
            row = $"{(split.Groups["n"].Success ? split.Groups["n"].Value : "1")} x ({split.Groups["one"].Value}+{split.Groups["other"].Value}){split.Groups["rest"].Value}";
        }

        var found = LengthsInBrackets().Match(row) is { Success: true } bracketed ? bracketed : LadderOfLengths().Match(row);
        if (!found.Success && RoundInBrackets().Match(row) is { Success: true } round && PartsOfRound().Split(round.Groups["what"].Value) is { Length: > 1 } parts
            && parts.Select(p => ShorthandLine.Plainly(p, context).Line).ToList() is var pieces && pieces.TrueForAll(l => l is { TotalReps: 1 }) && pieces.Exists(l => l is not { Shape: RunShape, Load: null, Exercise: null })
            && ShorthandLine.Plainly(row, context).Line is null)
        {
            // Pieces in brackets, each a line by itself, are a round, and a time behind them is the rest after it.
            var pause = round.Groups["rest"].Success ? ShorthandLine.Plainly($"10 m rest {round.Groups["rest"].Value}", ShorthandContext.Metric).Line?.Rest?.RepSeconds : null;
            return $"{round.Groups["n"].Value} rounds{(pause is { } seconds ? " rest " + Figures.Clock(seconds) : "")}: {string.Join("; ", parts)}";
        }

        if (!found.Success || (found.Groups["x"].Success && !found.Groups["word"].Success && !found.Groups["n"].Success && !IsFalling(found)))
        {
            return row;
        }

        if (found.Groups["n"].Success && WithinAndAfter().Match(found.Groups["rest"].Value) is { Success: true } rests)
        {
            // Rest within a set and after it.
            var runs = found.Groups["each"].Captures.Select((c, i) => c.Value.Trim() + (char.IsAsciiDigit(c.Value.Trim()[^1]) ? " m" : "") + (i < found.Groups["each"].Captures.Count - 1 ? $" rest {rests.Groups["in"].Value}" : ""));
            var seconds = ShorthandLine.Plainly($"10 m rest {rests.Groups["after"].Value}", ShorthandContext.Metric).Line?.Rest?.RepSeconds ?? 0;
            return $"{found.Groups["n"].Value} rounds rest {Figures.Clock(seconds)}: {string.Join("; ", runs)}";
        }

        var unit = found.Groups["unit"].Success ? " " + found.Groups["unit"].Value : " m";
        var after = BareTime().Replace(found.Groups["rest"].Value.TrimStart(',', ' '), "rest $1");
        var lines = string.Join("; ", found.Groups["each"].Captures.Select(c => $"{c.Value.Trim()}{(char.IsAsciiDigit(c.Value.Trim()[^1]) ? unit : "")} {after}"));
        return found.Groups["n"].Success ? $"{found.Groups["n"].Value} rounds: {lines}" : lines;
    }

    private static int Metres(Match match, string group) => int.Parse(match.Groups[group].ValueSpan, CultureInfo.InvariantCulture);

    // 150-120-90: falling lengths, which no range and no zone is.
    private static bool IsFalling(Match lengths)
    {
        var metres = lengths.Groups["each"].Captures.Select(c => int.Parse(string.Concat(c.Value.TakeWhile(char.IsAsciiDigit)), CultureInfo.InvariantCulture)).ToList();
        var top = metres.IndexOf(metres.Max());
        if (metres.Count > 3 && top > 0 && top < metres.Count - 1 && metres.TrueForAll(m => m % 5 == 0) && metres.Zip(metres.Skip(1)).Select((p, i) => i < top ? p.First < p.Second : p.First > p.Second).All(steps => steps))
        {
            // 10-20-30-20-10 goes up and comes down.
            return true;
        }

        return metres[^1] >= (metres.Count > 3 ? LeastOfMany : LeastFalling) && metres.Zip(metres.Skip(1), (a, b) => a > b).All(falls => falls);
    }

    private const int LeastFalling = 40;

    // Four lengths and more are no zone and no range, however short the last is.
    private const int LeastOfMany = 10;

    // power clean + front squat 3 x (2+2)
    [GeneratedRegex(@"^\s*(?<name>[\p{L}][\p{L}' -]*?)(?:\s*(?:\+|,|&|\band\b|\binto\b)\s*(?<name>[\p{L}][\p{L}' -]*?)){1,3}\s*:?\s*(?<n>[1-9])\s*(?:x|sets?(?:\s+of)?)\s*\(?\s*(?<reps>\d{1,2})(?:\s*\+\s*(?<reps>\d{1,2})){1,3}\s*\)?(?<load>\s*(?:@?\s*\d{1,3}\s*(?:kg|lb|%))?)\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex ComplexInBrackets();

    // contrast: 15 m sled then 20 m free x 4; contrast 3 sets (10 m sled, 20 m free)
    [GeneratedRegex(@"^\s*(?:contrasts?\s*:?\s*|(?=(?!.*x\s*\d.*x\s*\d).*\b(?:free|unloaded|unresisted|sprint|flat)\b))(?:(?<n>[1-9])\s*(?:x|sets?|rounds?)\s*(?:of|:)?\s*)?\(?\s*(?<loaded>\d{1,2}\s*(?:m|yd)\s*(?:heavy\s+|light\s+)?(?:sled|band|chain|vest|uphill|hill|partner)[^,;+()/]*?|(?:heavy\s+|light\s+)?(?:sled|band|chain|vest|uphill|hill|partner)s?\s+\d{1,2}\s*(?:m|yd)[^,;+()/]*?)\s*(?:,|;|\+|/|\bthen\b|\binto\b|\band\b)\s*(?:(?:free|unloaded|unresisted|sprint|flat)\s+)?(?<free>\d{1,2}\s*(?:m|yd))\s*(?:free|unloaded|unresisted|sprint)?\s*\)?\s*(?:x\s*(?<n>[1-9]))?\s*(?:,?\s*rest\s*(?<rest>\d{1,2}:[0-5]\d))?\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex LoadedThenFree();

    // contrast: 15 m sled, 20 m free, 3 rounds; squat 3 + broad jump 3, x 4 rounds rest 3:00
    [GeneratedRegex(@"^\s*(?:(?:contrasts?|complex|circuit|pairs?|superset)\s*:\s*)?(?<what>(?=.*\d)[^:""]+?[;,+][^:""]+?)\s*[,;]?\s*(?:x\s*)?(?<n>[1-9])\s*(?:rounds?|circuits?|times\s+(?:through|round))\s*(?:,?\s*rest\s*(?<rest>\d{1,2}:[0-5]\d))?\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex RoundsBehind();

    // squat 3 @ 85% + 20 m sprint x 4; trap bar deadlift 3 reps 100 kg then 4 broad jumps x 3
    [GeneratedRegex(@"^\s*(?:(?:contrasts?|complex|pairs?|superset)\s*:?\s*)?(?<lift>[\p{L}][\p{L}' -]*?)\s+(?:x\s*)?(?<reps>\d{1,2})(?:\s*reps?)?(?<load>\s*@?\s*\d{2,3}\s*(?:%|kg|lb))?\s*(?:\+|,|\bthen\b|\binto\b|\band\b)\s*(?<then>\d{1,2}\s*(?:m|yd)(?:\s*(?:sprint|dash|accel\p{L}*))?|\d{1,2}\s+(?!(?:min|sec|reps?|sets?)\p{L}*\b)[\p{L}][\p{L}' -]{2,}?)\s*(?:,?\s*x\s*(?<n>[1-9]))(?:\s*(?:rounds?|sets?))?\s*(?:,?\s*rest\s*(?<rest>\d{1,2}:[0-5]\d))?\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex LiftThenRun();

    // 2 sets: 3x20m, 2x30m; 3 rounds of 20m, 30m, 40m
    [GeneratedRegex(@"^\s*(?<n>[1-9])\s*(?:rounds?|sets?)\s*(?:of\s*:?|:)\s*\(?(?<what>(?:\d{1,2}\s*x\s*)?\d{1,3}\s*(?:m|yd)(?:\s*[,;+&]\s*(?:\d{1,2}\s*x\s*)?\d{1,3}\s*(?:m|yd))+)\)?\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex SetsOfSeveral();

    // broad jump to 10 m sprint x 5; fast feet 10 m into 20 m sprint x 4
    [GeneratedRegex(@"^\s*(?:(?<reps>[1-9])\s*(?:x\s*|\s))?(?<jump>[\p{L}][\p{L}' -]*?)(?:\s*x\s*(?<reps>[1-9]))?(?:\s+(?<far>\d{1,2}\s*(?:m|yd)))?\s+(?:to|into|then|and|\+)\s+(?:an?\s+)?(?:(?:sprint|accelerate)\s+(?<run>\d{1,2}\s*(?:m|yd))|(?<run>\d{1,2}\s*(?:m|yd))\s*(?:sprint|dash|acceleration|accel))\s*(?:x\s*(?<n>[1-9])|,\s*(?<n>[1-9])\s*(?:sets?|rounds?))?\s*(?:,?\s*rest\s*(?<rest>\d{1,2}:[0-5]\d))?\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex JumpThenSprint();

    [GeneratedRegex(@"^\s*,?\s*(?:rest\s*)?(?<in>\d+(?::\d\d|\s*(?:s|sec|min|mins|')))\s*(?:between(?:\s+(?:reps|runs))?)?\s*[/,]\s*(?<after>\d+(?::\d\d|\s*(?:s|sec|min|mins|')))\s*(?:between\s+)?(?:sets?)?\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex WithinAndAfter();

    // ladder 10-20-30-40 m, walk back; 40-30-20-10 x 2; pyramid 20/40/60/40/20; with the word in front spaces are enough.
    [GeneratedRegex(@"^\s*(?:(?<n>[1-9])\s*x\s+)?(?:(?:(?:accel\p{L}*|sprint)\s+)?(?<word>ladder|pyramid)s?\s*(?:of|:)?\s*)?(?<x>(?<each>\d{2,3}))(?:(?:\s*[-/,]\s*|(?(word)\s+|(?!)))(?<each>\d{2,3})){2,}\s*(?<unit>m|yd|yards?|metres?|meters?)?\s*(?<word>(?:ladder|pyramid)s?)?\s*(?:x\s*(?<n>[1-9])(?:\s*times)?)?(?<rest>\s*(?:,.*|@.*|\d{2,3}\s*%.*|rest\b.*|walk.*|w/.*|with.*|from\b.*|(?:off\s+|out\s+of\s+)?(?:the\s+)?blocks?.*)?)$", RegexOptions.IgnoreCase)]
    private static partial Regex LadderOfLengths();

    [GeneratedRegex(@"^\s*(?:split\s+(?:runs?|\d{2,3}(?:\s*(?:m|yd))?s?)\s*:?\s*)?(?<n>\d{1,2})\s*(?:x|sets?(?:\s+of)?)\s*\(\s*(?<each>\d{2,3}\s*(?:m|yd|yards?|metres?|meters?)?)(?:\s*[,/+-]\s*(?<each>\d{2,3}\s*(?:m|yd|yards?|metres?|meters?)?))+\s*\)(?!\s*fl(?:y|ying)\b)(?<rest>.*)$", RegexOptions.IgnoreCase)]
    private static partial Regex LengthsInBrackets();

    // split 300s x 2 (150+150); split run 200+100 x 2, 60 s between
    [GeneratedRegex(@"^\s*split\s+(?:runs?\s*:?\s*)?(?:(?<whole>\d{3})\s*m?s?\s*(?:x\s*(?<n>[1-9])\s*)?\(\s*)?(?<one>\d{2,3})\s*m?\s*[+/]\s*(?<other>\d{2,3})\s*m?\s*\)?\s*(?:x\s*(?<n>[1-9]))?(?<rest>(?:[,\s].*)?)$", RegexOptions.IgnoreCase)]
    private static partial Regex SplitRun();

    // 4 x (20m sled, 20m sprint), 3 min
    [GeneratedRegex(@"^\s*(?<n>[1-9])\s*(?:x|sets?\s+of|rounds?\s+of)\s*\((?<what>[^()""]*\p{L}[^()""]*)\)\s*(?:,?\s*(?:rest\s*)?(?<rest>\d{1,2}:[0-5]\d|\d{1,3}\s*(?:s|secs?|mins?|minutes?|'))(?:\s*(?:rest|recovery))?)?\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex RoundInBrackets();

    [GeneratedRegex(@"\s*(?:[,;+&]|\bthen\b|\band\b)\s*", RegexOptions.IgnoreCase)]
    private static partial Regex PartsOfRound();

    // kneeling jump to broad jump 3x3
    [GeneratedRegex(@"^\s*(?<first>[\p{L}][\p{L}' -]*?)\s+(?:(?:in)?to|\+)\s+(?:an?\s+)?(?<second>[\p{L}][\p{L}' -]*?)\s*:?\s*(?<n>[1-9])\s*x\s*(?<reps>\d{1,2})\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex JumpIntoJump();

    [GeneratedRegex(@"^\s*(?<n>\d{1,3})\s*rounds?(?:\s+of)?(?:\s*,?\s+rest\s+(?<rest>\d{1,2}:[0-5]\d))?\s*:(?=\s*\S)", RegexOptions.IgnoreCase)]
    private static partial Regex OneLineRounds();

    // A time alone behind lengths is the rest.
    [GeneratedRegex(@"^(\d{1,2}:[0-5]\d|\d{1,3}\s*(?:s|secs?|mins?|minutes?|'))(?:\s*(?:rests?|rec(?:overy)?))?$", RegexOptions.IgnoreCase)]
    private static partial Regex BareTime();

    [GeneratedRegex(@"^(\d{1,2})\s*rounds?$", RegexOptions.IgnoreCase)]
    private static partial Regex RoundsPart();

    [GeneratedRegex(@"^rest\s+(\d{1,2}:[0-5]\d)$", RegexOptions.IgnoreCase)]
    private static partial Regex RestPart();

    // A comma parts lines too where another exercise follows it.
    [GeneratedRegex(@";|,(?=\s*(?!(?:rest|gates?|for|each|per|log|cue|from|through|at|with|walk|in|as|sled|band|chain|vest|timed|full|easy|left|right|both|r|then)\b)\p{L}|\s*\d{1,3}\s*(?:m|yd)\s*(?:sprint|run|dash|hill|fly|flying|acceleration|bound|jog|free|unloaded|unresisted|sled|band|chain|vest|uphill)\p{L}*\b|\s*\d{1,3}\s*(?:m|yd)\s*(?:[,;]|$)|\s*\d{1,2}\s*x\s*\d|\s*\d{1,2}\s+(?!(?:min|sec|metres?|meters?|yards?|rest|reps?|sets?|rounds?|kg|lb|cm|each|per|times)\p{L}*\b)\p{L}{3,})|\s\+\s(?=\p{L}|\d+\s*x)", RegexOptions.IgnoreCase)]
    private static partial Regex Parted();

    // Bullets and numbers in front of pasted lines: "- ", "* ", "1) ".
    [GeneratedRegex(@"^\s*(?:[-*•]|\d{1,2}[).])\s+")]
    private static partial Regex Bullet();
}
