using System.Text.RegularExpressions;
using InchBurst.Core.Catalogue;

namespace InchBurst.Core.Shorthand;

/// <summary>One way of going down the lane and another way of coming back.</summary>
public static partial class PlanText
{
    // Down with A-skip, back with B-skip 2 x 20 m: rounds of one way and the other. An easy way back is the rest.
    private static string? DownAndBack(string row, ExerciseCatalogue catalogue)
    {
        var ways = Ways().Match(row);
        if (!ways.Success || ways.Groups["n"].Captures.Count > 1 || ways.Groups["far"].Captures.Count > 1 || catalogue.Find(ways.Groups["one"].Value) is not { Counted: CountedIn.Metres } down)
        {
            return null;
        }

        var often = ways.Groups["n"].Success ? ways.Groups["n"].Value : "1";
        var far = ways.Groups["far"].Success ? " " + ways.Groups["far"].Value : "";
        var other = ways.Groups["other"].Value;
        if (EasyWay().Match(other) is { Success: true } easy)
        {
            return far.Length == 0 || ways.Groups["plain"].Success ? null : $"{down.Name} {often} x{far}, {easy.Groups[1].Value} back";
        }

        if (catalogue.Find(other) is not { Counted: CountedIn.Metres } back || back == down)
        {
            return null;
        }

        var both = $"{down.Name}{far}; {back.Name}{far}";
        return often != "1" || far.Length == 0 ? $"{often} rounds: {both}" : both;
    }

    private const string HowFar = @"(?<far>\d{1,3}\s*(?:m|yd|yards?|metres?|meters?))";
    private const string HowMany = @"(?<n>\d{1,2})";

    // down with a skip, back with a jog is a run of two moves; those two are read as they stand.
    [GeneratedRegex(@"^\s*(?:" + HowMany + @"\s*x\s*)?(?:" + HowFar + @"\s*:?\s*)?(?:x\s*" + HowMany + @"\s*:?\s*)?(?:(?:go\s+)?down\s+(?:with\s+)?(?:an?\s+(?!skips?\b|march|run|switch))?(?<one>(?<plain>skip|shuffle|bound|hop|march)(?=\s*(?:,|;|/|back\b|and\b|then\b))|\p{L}[\p{L}' -]*?)\s*(?:,|;|/|\band\b|\bthen\b)?\s*back\s+(?:with\s+)?(?:an?\s+(?!skips?\b|march|run|switch))?(?<other>\p{L}[\p{L}' -]*?)|(?<one>\p{L}[\p{L}' -]*?)\s+(?:" + HowFar + @"\s+)?(?:down|out|there)\s*(?:,|;|/|\band\b|\bthen\b)?\s*(?<other>\p{L}[\p{L}' -]*?)\s+back)(?:\s*[,:]?\s*(?:over\s+|for\s+)?(?:" + HowMany + @"\s*x\s*)?" + HowFar + @")?(?:\s*,?\s*x\s*" + HowMany + @")?(?:\s*each)?\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex Ways();

    [GeneratedRegex(@"^(?:an?\s+)?(?:easy\s+|slow\s+)?(walk|jog)(?:ging|ing)?$", RegexOptions.IgnoreCase)]
    private static partial Regex EasyWay();
}
