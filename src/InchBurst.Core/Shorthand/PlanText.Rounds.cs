using System.Globalization;
using System.Text.RegularExpressions;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Shorthand;

/// <summary>Rows that stand for rounds or for several runs: brackets, ladders, splits, one thing straight into another.</summary>
public static partial class PlanText
{
    // 2 x (200 m, 150 m, 100 m) rest 5 min: rounds of one run each. A ladder of lengths is one run of each.
    private static string Unbracketed(string row, ShorthandContext context)
    {
        row = row.Contains('"', StringComparison.Ordinal) ? row : row.Replace('[', '(').Replace(']', ')');
        row = RoundsInBrackets().Replace(TimesAll().Replace(HeadingOfRounds().Replace(row, ""), "${n} rounds: "), "$1 rounds: $2");
        if (JumpThenSprint().Match(row) is { Success: true } burst && Known(burst.Groups["jump"].Value, context) is { } jump && (burst.Groups["far"].Success ? jump.Counted == CountedIn.Metres && jump.Does is (Motion.Skip or Motion.March or Motion.Bound or Motion.Hop) && !burst.Groups["reps"].Success && !burst.Groups["side"].Success : burst.Groups["held"].Success || jump.Counted is CountedIn.Reps or CountedIn.Passes || jump.Does is Motion.Jump or Motion.Bound or Motion.Hop or Motion.Throw))
        {
            // A jump or a drill and straight into a sprint are rounds of one each.
            return $"{(burst.Groups["n"].Success ? burst.Groups["n"].Value : "3")} rounds{(burst.Groups["rest"].Success ? " rest " + burst.Groups["rest"].Value : "")}: {jump.Name} {(burst.Groups["far"].Success ? burst.Groups["far"].Value : burst.Groups["held"].Success ? burst.Groups["held"].Value : (burst.Groups["reps"].Success ? burst.Groups["reps"].Value : "1") + (jump.Counted == CountedIn.Passes ? " passes" : " reps") + (jump.EachSide ? " each side" : ""))}{(burst.Groups["side"].Success && !jump.EachSide ? " each side" : "")}; {burst.Groups["run"].Value}";
        }

        if (JumpIntoJump().Match(row) is { Success: true } jumps && Known(jumps.Groups["first"].Value, context) is { Does: Motion.Jump or Motion.Hop or Motion.Bound, Counted: CountedIn.Reps } into && Known(jumps.Groups["second"].Value, context) is { Does: Motion.Jump or Motion.Hop or Motion.Bound, Counted: CountedIn.Reps } landing && into != landing)
        {
            // One jump and straight into another: rounds, so that every landing counts.
            return $"{jumps.Groups["n"].Value} rounds: {into.Name} {jumps.Groups["reps"].Value} reps{(into.EachSide ? " each side" : "")} cue \"each into {landing.Name}\"; {landing.Name} {jumps.Groups["reps"].Value} reps{(landing.EachSide ? " each side" : "")}";
        }

        if (LiftThenRun().Match(row) is { Success: true } mixed && Known(mixed.Groups["lift"].Value, context) is { Counted: CountedIn.Reps } lifted)
        {
            // A set of a lift and a sprint or jumps behind it are rounds.
            return $"{mixed.Groups["n"].Value} rounds{(mixed.Groups["rest"].Success ? " rest " + mixed.Groups["rest"].Value : "")}: {lifted.Name} {mixed.Groups["reps"].Value} reps{mixed.Groups["load"].Value}; {mixed.Groups["then"].Value}";
        }

        if (DrillThenSprint().Match(row) is { Success: true } drilled && Known(drilled.Groups["drill"].Value, context) is { Counted: CountedIn.Metres } drill)
        {
            // A drill over one length and a sprint over the next are rounds of both.
            var unitOfBoth = drilled.Groups["unit"].Success ? drilled.Groups["unit"].Value : "m";
            return $"{drilled.Groups["n"].Value} rounds: {drill.Name} {drilled.Groups["far"].Value} {unitOfBoth}; {drilled.Groups["run"].Value} {unitOfBoth}";
        }

        if (DownAndBack(row, context.Catalogue) is { } ways)
        {
            return ways;
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

        if (BracketedTimes().Match(row) is { Success: true } whole && PartsOfRound().Split(whole.Groups[1].Value) is { Length: > 1 } inside && inside.All(p => ShorthandLine.Plainly(p, context).Line is { TotalReps: 1 }))
        {
            // What is in brackets is done so many times, all of it.
            return $"{whole.Groups[2].Value} rounds: {string.Join("; ", inside)}";
        }

        if (Together(row, context) is { } together)
        {
            return together;
        }

        if (SplitRun().Match(row) is { Success: true } split && (!split.Groups["whole"].Success || Metres(split, "whole") == Metres(split, "one") + Metres(split, "other")))
        {
            // A run in two parts is two runs, one soon behind the other.
            row = $"{(split.Groups["n"].Success ? split.Groups["n"].Value : "1")} x ({split.Groups["one"].Value}+{split.Groups["other"].Value}){split.Groups["rest"].Value}";
        }

        if (AddedLengths().Match(row) is { Success: true } added && Math.Min(Metres(added, "one"), Metres(added, "other")) >= LeastOfItsOwn)
        {
            // Long lengths with a plus between are runs of their own.
            row = $"{added.Groups["n"].Value} x ({added.Groups["one"].Value}+{added.Groups["other"].Value}){added.Groups["rest"].Value}";
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

    // An exercise by its name, or by what people call it where a habit knows that.
    private static Exercise? Known(string name, ShorthandContext context) =>
        context.Catalogue.Find(name) ?? (ShorthandLine.Plainly(name, context).Line is { Exercise: { Length: > 0 } meant, Load: null, For.Count: 0, Cue: null or "" } ? context.Catalogue.Find(meant) : null);

    // Work that is done in turn, a set of each: supersets, A1 and A2, rounds of several. Where all have as many sets, those are the rounds.
    private static string? Together(string row, ShorthandContext context)
    {
        var found = Paired().Match(row);
        if (!found.Success || row.Contains('"', StringComparison.Ordinal))
        {
            return null;
        }

        var lines = PartsOfPair().Split(found.Groups["what"].Value).Where(p => p.Trim(' ', ':', ',', '.').Length > 0).Select(p => ShorthandLine.Plainly(p.Trim(' ', ':', ',', '.'), context).Line).ToList();
        if (lines.Count is < 2 or > MostParts || lines.Exists(l => l is null or { Exercise: null, Shape: TimedShape }))
        {
            return null;
        }

        var times = lines.ConvertAll(l => l!.TotalReps);
        var often = found.Groups["n"].Success ? found.Groups["n"].Value : times[0] > 1 && times.TrueForAll(t => t == times[0]) ? times[0].ToString(CultureInfo.InvariantCulture) : "";
        var pause = found.Groups["rest"].Success ? ShorthandLine.Plainly($"10 m rest {found.Groups["rest"].Value}", ShorthandContext.Metric).Line?.Rest?.RepSeconds : null;
        if (often.Length == 0)
        {
            return pause is null ? string.Join("; ", lines.Select(l => ShorthandPrinter.Print(l!, context.Catalogue))) : null;
        }

        var each = lines.Select(l => ShorthandPrinter.Print(found.Groups["n"].Success ? l! : l! with { Sets = 1, Reps = 1 }, context.Catalogue));
        return $"{often} rounds{(pause is { } seconds ? " rest " + Figures.Clock(seconds) : "")}: {string.Join("; ", each)}";
    }

    [GeneratedRegex(@"^\s*\(([^()]*)\)\s*x\s*([2-9])\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex BracketedTimes();

    private const int LeastOfItsOwn = 60;

    // 150+150 x 2
    [GeneratedRegex(@"^\s*(?<one>\d{2,3})\s*m?\s*\+\s*(?<other>\d{2,3})\s*m?\s*x\s*(?<n>[1-9])(?<rest>(?:[,\s@].*)?)$", RegexOptions.IgnoreCase)]
    private static partial Regex AddedLengths();

    // 3x: A-skip 20 m, high knees 20 m; contrast x 4: 15 m sled, 15 m free
    [GeneratedRegex(@"^\s*(?:(?<n>[2-9])\s*(?:x|times)|(?:contrasts?|complex|circuit|pairs?)\s*x\s*(?<n>[2-9]))\s*:\s*(?=[^:]*[,;+])", RegexOptions.IgnoreCase)]
    private static partial Regex TimesAll();

    // 2 rounds (3 x 20 m, 2 x 40 m); (20 m, 30 m, 40 m) x 3
    [GeneratedRegex(@"^\s*([2-9])\s*rounds?\s*(?:of\s*)?\(([^()]*[,;+][^()]*)\)\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex RoundsInBrackets();

    // circuit 3 rounds: push-up 10; squat 10
    [GeneratedRegex(@"^\s*(?:circuits?|complex|contrasts?|pairs?|super\s?sets?|core|abs|trunk|strength|power|gym|weights|finisher|prep|primer|plyos?|jumps)\s*[:,-]?\s*(?=[1-9]\s*rounds?(?:\b[^:]*:|\s+of\s+\p{L})|[1-9]\s*(?:x|times)\s*:|[1-9]\s*(?:x|rounds?|sets?)\s*(?:of\s*)?\()", RegexOptions.IgnoreCase)]
    private static partial Regex HeadingOfRounds();

    // superset: squat 4x3 / box jump 4x3; A1 squat 4x5 A2 hurdle hop 4x4; 3 rounds of 20 m sprint, 5 tuck jumps; complex: clean x 2 + 10 m sprint, x4, 3 min
    [GeneratedRegex(@"^\s*(?:(?:super\s?sets?|tri\s?sets?|pairs?|complex(?:es)?|contrasts?|pape?|potentiation|(?:\p{L}+\s+)?circuit|combo|couplet)\s*:\s*|(?=A1\b.*\bA2\b)|(?<n>[2-9])\s*(?:rounds?|sets)\s+of\s+(?=[^x]*[,;+&][^x]*$)|(?=.*\b(?:super\s?set(?:ted)?|paired|ss)\s*(?:with|w/)?\s))(?<what>.*?)(?:\s*,?\s*(?:(?<!\d\s*)x\s*(?<n>[2-9])(?:\s*rounds?)?|(?<n>[2-9])\s*(?:rounds?|times\s+through)))?(?:\s*,?\s*(?:rest\s*)?(?<rest>(?<=[,x]\s*(?:rest\s*)?|rounds?,?\s*(?:rest\s*)?|x\s*[2-9]\s*,\s*)(?:\d{1,2}:[0-5]\d|\d{1,2}\s*(?:mins?|minutes?|'))))?\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex Paired();

    [GeneratedRegex(@"\s*(?:;|/|\+|&|,(?=\s*(?:\d{1,2}\s+)?(?!rest\b|walk\b|full\b|each\b|min|sec)\p{L}{2}|\s*\d{1,2}\s*x|\s*\d{1,3}\s*(?:m|yd)\b)|\bthen\b|\binto\b|\b(?:super\s?set(?:ted)?|paired|ss)\s*(?:with\b|w/)?|\bA[1-4]\b[.):]?)\s*", RegexOptions.IgnoreCase)]
    private static partial Regex PartsOfPair();

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
    [GeneratedRegex(@"^\s*(?:(?:contrasts?|complex|circuit|pairs?|superset)\s*:\s*)?(?<what>(?=.*\d)[^:""]+?[;,+][^:""]+?)\s*[,;]?\s*(?:x\s*)?(?<n>[1-9])\s*(?:rounds?|circuits?|times\s+(?:through|round)|(?<=^(?!.*\bx\s*\d[^+]*\bx\s*\d[^+]*$)[^,]*\+[^,]*[,;]\s*[1-9]\s*)sets)\s*(?:,?\s*rest\s*(?<rest>\d{1,2}:[0-5]\d))?\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex RoundsBehind();

    // squat 3 @ 85% + 20 m sprint x 4; trap bar deadlift 3 reps 100 kg then 4 broad jumps x 3
    [GeneratedRegex(@"^\s*(?:(?:contrasts?|complex|pairs?|superset)\s*:?\s*)?(?<lift>[\p{L}][\p{L}' -]*?)\s+(?:x\s*)?(?<reps>\d{1,2})(?:\s*reps?)?(?<load>\s*@?\s*\d{2,3}\s*(?:%|kg|lb))?\s*(?:\+|,|\bthen\b|\binto\b|\band\b)\s*(?<then>\d{1,2}\s*(?:m|yd)(?:\s*(?:sprint|dash|accel\p{L}*))?|\d{1,2}\s+(?!(?:min|sec|reps?|sets?)\p{L}*\b)[\p{L}][\p{L}' -]{2,}?|[\p{L}][\p{L}' -]{2,}?\s+\d{1,2}(?=\s*(?:,?\s*x\s*)?[1-9]\s*(?:rounds?|sets?)))\s*(?:,?\s*x\s*(?<n>[1-9]))(?:\s*(?:rounds?|sets?))?\s*(?:,?\s*rest\s*(?<rest>\d{1,2}:[0-5]\d))?\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex LiftThenRun();

    // high knees to sprint 10+20 m x 3
    [GeneratedRegex(@"^\s*(?<drill>(?!(?:back[ -]?pedal|shuffle|crossover|jog|skip|walk|bound|hop|march)s?\b)[\p{L}][\p{L}' -]*?)\s+(?:in)?to\s+(?:an?\s+)?sprints?\s*:?\s*(?:(?<n>[1-9])\s*x\s*)?\(?\s*(?<far>\d{1,2})\s*(?:m|yd)?\s*[+/]\s*(?<run>\d{1,2})\s*(?<unit>m|yd)?\s*\)?\s*(?:x\s*(?<n>[1-9]))?\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex DrillThenSprint();

    // 2 sets: 3x20m, 2x30m; 3 rounds of 20m, 30m, 40m
    [GeneratedRegex(@"^\s*(?<n>[1-9])\s*(?:rounds?|sets?)\s*(?:of\s*:?|:)\s*\(?(?<what>(?:\d{1,2}\s*x\s*)?\d{1,3}\s*(?:m|yd)(?:\s*[,;+&]\s*(?:\d{1,2}\s*x\s*)?\d{1,3}\s*(?:m|yd))+)\)?\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex SetsOfSeveral();

    // broad jump to 10 m sprint x 5; fast feet 10 m into 20 m sprint x 4
    [GeneratedRegex(@"^\s*(?:(?<n>[1-9])\s*x\s*(?=[1-9]\s+\p{L}))?(?:(?<reps>\d{1,2})\s*(?:x\s*|\s))?(?<jump>[\p{L}][\p{L}' -]*?)(?:\s*x\s*(?<reps>\d{1,2}))?(?:\s+(?:(?<far>\d{1,2}\s*(?:m|yd))|(?<held>\d{1,2}\s*s(?:ecs?)?)))?\s+(?:to|into|then|and|\+)\s+(?:an?\s+)?(?:(?:sprint|accelerate)\s+(?<run>\d{1,2}\s*(?:m|yd))|(?<run>\d{1,2}\s*(?:m|yd))\s*(?:(?:sprint|dash|acceleration|accel)|(?=x\s*[1-9])))\s*(?:x\s*(?<n>[1-9])(?<side>\s*each(?:\s+(?:side|way|leg))?)?|,\s*(?<n>[1-9])\s*(?:sets?|rounds?))?\s*(?:,?\s*rest\s*(?<rest>\d{1,2}:[0-5]\d))?\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex JumpThenSprint();

    [GeneratedRegex(@"^\s*,?\s*(?:rest\s*|r\s*=?\s*)?(?<in>walk[ -]?back|\d+(?::\d\d|\s*(?:s|sec|min|mins|')))\s*(?:between(?:\s+(?:reps|runs))?)?\s*(?:[/,;]\s*(?:r\s*=?\s*)?|\s+r\s*=?\s*)(?<after>\d+(?::\d\d|\s*(?:s|sec|min|mins|')))\s*(?:between\s+)?(?:sets?)?\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex WithinAndAfter();

    // ladder 10-20-30-40 m, walk back; 40-30-20-10 x 2; pyramid 20/40/60/40/20; with the word in front spaces are enough.
    [GeneratedRegex(@"^\s*(?:(?<n>[1-9])\s*x\s+)?(?:(?:(?:accel\p{L}*|sprint)\s+)?(?<word>ladder|pyramid)s?\s*(?:of|:)?\s*)?(?<x>(?<each>\d{2,3}|(?(word)[5-9]|(?!))))(?:(?:\s*[-/,]\s*|(?(word)\s+|(?!)))(?<each>\d{2,3})){2,}\s*(?<unit>m|yd|yards?|metres?|meters?)?\s*(?<word>(?:ladder|pyramid)s?)?\s*(?:x\s*(?<n>[1-9])(?:\s*times)?)?(?<rest>\s*(?:,.*|@.*|\d{2,3}\s*%.*|rest\b.*|walk.*|w/.*|with.*|from\b.*|(?:off\s+|out\s+of\s+)?(?:the\s+)?blocks?.*)?)$", RegexOptions.IgnoreCase)]
    private static partial Regex LadderOfLengths();

    [GeneratedRegex(@"^\s*(?:split\s+(?:runs?|\d{2,3}(?:\s*(?:m|yd))?s?)\s*:?\s*)?(?<n>\d{1,2})\s*(?:x|sets?(?:\s+of)?)\s*\(\s*(?<each>\d{2,3}\s*(?:m|yd|yards?|metres?|meters?)?)(?:(?:\s*[,/+-]\s*|\s+)(?<each>\d{2,3}\s*(?:m|yd|yards?|metres?|meters?)?))+\s*\)(?:\s*(?<unit>yds?|yards?|m|metres?|meters?)\b)?(?!\s*fl(?:y|ying)\b)(?<rest>.*)$", RegexOptions.IgnoreCase)]
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

    // A time alone behind lengths is the rest.
    [GeneratedRegex(@"^(\d{1,2}:[0-5]\d|\d{1,3}\s*(?:s|secs?|mins?|minutes?|'))(?:\s*(?:rests?|rec(?:overy)?))?$", RegexOptions.IgnoreCase)]
    private static partial Regex BareTime();
}
