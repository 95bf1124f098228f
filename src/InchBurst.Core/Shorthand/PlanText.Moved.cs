using System.Text.RegularExpressions;
using InchBurst.Core.Plan;

namespace InchBurst.Core.Shorthand;

/// <summary>
/// Rows whose parts stand where people put them, between commas and in brackets, rather than where the language has them. Only what can mean one thing is moved:
/// how often goes beside what is done, a bare time behind it is the rest, a run-in goes to its zone. What comes of it is held against the row as every reading is.
/// </summary>
public static partial class PlanText
{
    /// <summary>The row read with its parts moved, or null where nothing is to be moved or it does not read then either.</summary>
    private static PlanBlock? Moved(string row, ShorthandContext context)
    {
        if (row.Length > LongestMoved || row.Contains('"', StringComparison.Ordinal))
        {
            return null;
        }

        ShorthandReading Read(string text) => ShorthandLine.Plainly(text, context);
        foreach (var way in PartsMoved(row))
        {
            var reading = Read(way);
            if ((reading.Line ?? ShorthandWaysOut.Noted(way, reading.Problem!, context, Read)?.Line) is { } line)
            {
                return Alone(line, context);
            }

            if (Several(way, context) is { } several)
            {
                return several;
            }
        }

        return Unwrapped(row, context).Select(way => Read(way).Line).FirstOrDefault(line => line is not null) is { } unwrapped ? Alone(unwrapped, context) : null;
    }

    // What stands in brackets, without them: as one more part, as it stands, and, where no figure of it could be of the work, as a remark.
    private static IEnumerable<string> Unwrapped(string row, ShorthandContext context)
    {
        var brackets = Brackets().Matches(row);
        if (brackets.Count is 0 or > MostBrackets)
        {
            yield break;
        }

        // A length in brackets behind another is nobody's, and a number in words is of something.
        if (brackets.All(b => !ShorthandWaysOut.BeginsWithNumber(b.Groups["in"].Value)) && (!brackets.Any(b => Length().IsMatch(b.Groups["in"].Value)) || !Length().IsMatch(Brackets().Replace(row, " "))))
        {
            yield return Brackets().Replace(row, " ${in} ");
            yield return Brackets().Replace(row, ", ${in}, ").Trim(' ', ',');
        }

        // A remark stands behind a line that is one without it, and is nothing that could be work.
        var remarks = brackets.Where(b => !Measured().IsMatch(b.Groups["in"].Value)).ToList();
        if (remarks.Count > 0 && remarks.TrueForAll(b => ShorthandWaysOut.IsRemark(b.Groups["in"].Value, context)) && ShorthandLine.Plainly(row[..remarks[0].Index].Trim(' ', ','), context).Line is not null)
        {
            var left = Brackets().Replace(row, m => Measured().IsMatch(m.Groups["in"].Value) ? $", {m.Groups["in"].Value}, " : " ").Trim(' ', ',');
            yield return $"{left}, cue \"{string.Join(", ", remarks.Select(b => b.Groups["in"].Value.Trim()))}\"";
        }
    }

    [GeneratedRegex(@"\d\s*(?:m|yd|yards?|metres?|meters?)(?![\p{L}])", RegexOptions.IgnoreCase)]
    private static partial Regex Length();

    private const int MostBrackets = 3;

    // A figure that may be of the work: any but a height, what is stood out, or how many are left.
    [GeneratedRegex(@"\d(?!\d|\s*(?:cm|in|inch(?:es)?|hurdles?|cones?|sticks?|wickets?|steps?|boxes|left|right)(?![\p{L}]))|\p{Lu}\p{Ll}+", RegexOptions.CultureInvariant)]
    private static partial Regex Measured();

    private static IEnumerable<string> PartsMoved(string row)
    {
        // What stands in brackets is a part of its own, and a full stop ends one.
        var open = Brackets().Replace(row, m => BuildPart().IsMatch(m.Groups["in"].Value) || TimePart().IsMatch(m.Groups["in"].Value) || CountPart().IsMatch(m.Groups["in"].Value) || m.Index == 0 ? $", {m.Groups["in"].Value}, " : m.Value);
        var parts = MovedJoints().Split(open).Select(p => p.Trim(' ', ',', ';', '.')).Where(p => p.Length > 0).ToList();
        if (parts.Count == 0)
        {
            return [];
        }

        var (work, times, sets, runIn, behind) = (parts[0], "", "", "", new List<string>());
        var hasMoved = open != row || MovedJoints().Matches(open).Any(j => j.Value.Contains('.', StringComparison.Ordinal));
        void Take(ref string which, string count)
        {
            hasMoved = true;
            which = which.Length == 0 ? count : " ";
        }

        if (CountBehind().Match(work) is { Success: true } last)
        {
            work = last.Groups["work"].Value + last.Groups["side"].Value;
            Take(ref last.Groups["sets"].Success ? ref sets : ref times, last.Groups["n"].Value);
        }
        else if (CountAmid().Match(work) is { Success: true } amid)
        {
            work = $"{amid.Groups["work"].Value} {amid.Groups["far"].Value}";
            Take(ref times, amid.Groups["n"].Value);
        }

        if (TimeBehind().Match(work) is { Success: true } pause && !RestSaid().IsMatch(row))
        {
            hasMoved = true;
            (work, behind) = (pause.Groups["work"].Value, [$"rest {pause.Groups["time"].Value}"]);
        }

        foreach (var part in parts.Skip(1))
        {
            if (CountPart().Match(part) is { Success: true } count)
            {
                if (count.Groups["sets"].Success)
                {
                    Take(ref sets, count.Groups["n"].Value);
                }
                else
                {
                    Take(ref times, count.Groups["n"].Value);
                    work += count.Groups["side"].Success ? " each side" : "";
                }
            }
            else if (RestWithCount().Match(part) is { Success: true } both)
            {
                behind.Add(both.Groups["rest"].Value);
                Take(ref times, both.Groups["n"].Value);
            }
            else if (BuildPart().Match(part) is { Success: true } build)
            {
                hasMoved = true;
                runIn = $" with {build.Groups["far"].Value} {build.Groups["unit"].Value} run-in";
            }
            else if (TimePart().IsMatch(part) && RestSaid().IsMatch(row) && LineHabits.IsRunIn(work, part))
            {
                // The rest is said besides, so this is what it is run in.
                hasMoved = true;
                behind.Add("in " + part);
            }
            else if (TimePart().Match(part) is { Success: true } time && HasDose().IsMatch(work) && !RestSaid().IsMatch(row))
            {
                hasMoved = true;
                behind.Add("rest " + time.Value);
            }
            else
            {
                behind.Add(part);
            }
        }

        // Said twice, nobody knows which holds.
        if (!hasMoved || times == " " || sets == " " || (times.Length > 0 && HasCount().IsMatch(work)))
        {
            return [];
        }

        var rest = runIn + string.Concat(behind.Select(b => ", " + b));
        var often = (sets, times) switch { ("", "") => "", ("", _) => times, (_, "") => sets, _ => $"{sets} x {times}" };
        return often.Length == 0 ? [work + rest] : [$"{often} x {work}{rest}", $"{work} x {often}{rest}", $"{work} {often} reps{rest}"];
    }

    // A row as long as this is nothing that was typed in a hurry.
    private const int LongestMoved = 120;

    [GeneratedRegex(@"\((?<in>[^()]{2,40})\)|\[(?<in>[^\[\]]{2,40})\]")]
    private static partial Regex Brackets();

    [GeneratedRegex(@"\s*(?:[,;]\s+|[,;]$|\.\s+(?=\p{L}|\d)|\.$|\s[-/|]\s+)")]
    private static partial Regex MovedJoints();

    // flying 10s 4x; wall sit 3 sets; 10 m 2 each side
    [GeneratedRegex(@"^(?<work>.*(?:\p{L}|\d\s*(?:m|yd|yards?|metres?|meters?)))\s+(?:(?<n>\d{1,2})\s*(?:x|(?<sets>sets?))|(?<n>\d{1,2})(?<side>\s+(?:each|per|a)\s+(?:side|leg|way|direction)))$", RegexOptions.IgnoreCase)]
    private static partial Regex CountBehind();

    // block starts x 6 to 20 m
    [GeneratedRegex(@"^(?<work>\p{L}[\p{L}' -]*?)\s*x\s*(?<n>\d{1,2})\s+(?:to|over|of|at|for)\s+(?<far>\d{1,3}\s*(?:m|yd|yards?|metres?|meters?))$", RegexOptions.IgnoreCase)]
    private static partial Regex CountAmid();

    // 4 x 60 m 4 min
    [GeneratedRegex(@"^(?<work>.*\d\s*(?:m|yd|yards?|metres?|meters?)|.*\d\s*(?:m|yd)?\s*x\s*\d{1,2})\s+(?<time>\d{1,2}:[0-5]\d|\d{1,3}\s*(?:s|secs?|seconds?|mins?|minutes?|'))$", RegexOptions.IgnoreCase)]
    private static partial Regex TimeBehind();

    // 6 reps; x 4; 4x; 3 sets; 2 each side
    [GeneratedRegex(@"^(?:do\s+)?(?:x\s*(?<n>\d{1,2})|(?<n>\d{1,2})\s*(?:x|reps?|times|runs?|goes|efforts?|sprints?|passes|trials?|attempts?|tries|off|(?<sets>sets?|series)|(?:x\s*)?(?<side>(?:each|per|a)\s+(?:side|leg|way|direction))))$", RegexOptions.IgnoreCase)]
    private static partial Regex CountPart();

    [GeneratedRegex(@"^(?<rest>rests?\s+.*\d.*?|\d{1,3}\s*(?:s|secs?|mins?|minutes?|')\s*(?:rests?|rec\p{L}*))\s*x\s*(?<n>\d{1,2})$", RegexOptions.IgnoreCase)]
    private static partial Regex RestWithCount();

    [GeneratedRegex(@"^(?:with\s+|w/\s*|from\s+|off\s+)?(?:an?\s+)?(?<far>\d{1,2})\s*(?<unit>m|yd|yards?|metres?|meters?)?\s*\b(?:build(?:[ -]?up)?|run[ -]?(?:in|up)|acc(?:el\p{L}*)?|lead[ -]?in|approach|rolling|in)$", RegexOptions.IgnoreCase)]
    private static partial Regex BuildPart();

    [GeneratedRegex(@"^(?:\d{1,2}:[0-5]\d|\d{1,3}(?:\s*-\s*\d{1,3})?\s*(?:s|secs?|seconds?|mins?|minutes?|')|\d{1,2}\s*'\s*\d\d)$", RegexOptions.IgnoreCase)]
    private static partial Regex TimePart();

    [GeneratedRegex(@"\d\s*(?:m|yd|yards?|metres?|meters?)\b|\d\s*x\s*\d|\d\s*reps?\b", RegexOptions.IgnoreCase)]
    private static partial Regex HasDose();

    [GeneratedRegex(@"\d\s*x\s*(?:\d|fly)", RegexOptions.IgnoreCase)]
    private static partial Regex HasCount();

    [GeneratedRegex(@"\b(?:rest|rec\p{L}*|r|walk|jog|every|break|pause|between|off)\b", RegexOptions.IgnoreCase)]
    private static partial Regex RestSaid();
}
