using System.Globalization;
using System.Text;
using System.Text.RegularExpressions;
using InchBurst.Core.Units;

namespace InchBurst.Data.Files.Csv;

/// <summary>What stands in the cells of people's sheets, read as they mean it.</summary>
public static partial class Cells
{
    private static readonly char[] Formulas = ['=', '+', '-', '@', '\t', '\r'];

    /// <summary>A cell that no spreadsheet runs as a formula: an apostrophe stands before what would begin one. Numbers stay numbers.</summary>
    /// <param name="cell">The cell.</param>
    public static string Harmless(string cell) =>
        cell.Length > 0 && (Array.IndexOf(Formulas, cell[0]) >= 0 || cell[0] == '\'') && !double.TryParse(cell, NumberStyles.Float, CultureInfo.InvariantCulture, out _) ? "'" + cell : cell;

    /// <summary>A cell as it was before <see cref="Harmless"/>.</summary>
    /// <param name="cell">The cell.</param>
    public static string Harmed(string cell) => cell.Length > 1 && cell[0] == '\'' && (Array.IndexOf(Formulas, cell[1]) >= 0 || cell[1] == '\'') ? cell[1..] : cell;

    /// <summary>A number: 4.52, 4,52, 1 204,5; null when it is none.</summary>
    /// <param name="cell">The cell.</param>
    public static double? Number(string cell)
    {
        var text = cell.Trim().Replace("\u00A0", "", StringComparison.Ordinal).Replace("\u202F", "", StringComparison.Ordinal).Replace(" ", "", StringComparison.Ordinal).Replace('\u2212', '-');
        text = text.Contains(',', StringComparison.Ordinal) && text.Contains('.', StringComparison.Ordinal)
            ? text.LastIndexOf(',') > text.LastIndexOf('.') ? text.Replace(".", "", StringComparison.Ordinal).Replace(',', '.') : text.Replace(",", "", StringComparison.Ordinal)
            : text.Replace(',', '.');
        return double.TryParse(text, NumberStyles.AllowDecimalPoint | NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var number) && double.IsFinite(number) ? number : null;
    }

    /// <summary>A time in s: 4.52, 4,52 s, 1:04.5; null when it is none.</summary>
    /// <param name="cell">The cell.</param>
    public static double? Seconds(string cell)
    {
        var match = Time().Match(cell.Trim().Replace(',', '.'));
        return !match.Success ? null
            : (match.Groups[1].Success ? int.Parse(match.Groups[1].ValueSpan, CultureInfo.InvariantCulture) * 60 : 0) + double.Parse(match.Groups[2].ValueSpan, CultureInfo.InvariantCulture);
    }

    /// <summary>A distance with or without its unit: 30, 30 m, 40yd; null when it is none.</summary>
    /// <param name="cell">The cell.</param>
    /// <param name="usual">Unit where none stands.</param>
    public static Distance? Length(string cell, DistanceUnit usual)
    {
        var match = Way().Match(cell.Trim().Replace(',', '.'));
        if (!match.Success || !double.TryParse(match.Groups[1].ValueSpan, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var amount) || amount is <= 0 or > 2000)
        {
            return null;
        }

        return new(amount, match.Groups[2].Value.ToLowerInvariant() switch { "" => usual, "m" or "metre" or "metres" or "meter" or "meters" => DistanceUnit.Metre, "ft" or "feet" => DistanceUnit.Foot, _ => DistanceUnit.Yard });
    }

    /// <summary>A day: 2026-03-14, 14.3.2026, 14/03/2026, 14 Mar 2026; null when it is none. Where day and month could be either, the day comes first.</summary>
    /// <param name="cell">The cell.</param>
    /// <param name="isMonthFirst">True for files that write the month first.</param>
    public static DateOnly? Day(string cell, bool isMonthFirst = false)
    {
        var text = cell.Trim();
        var space = text.IndexOf('T', StringComparison.Ordinal) is 10 ? 10 : text.Length > 10 && text[10] == ' ' && char.IsAsciiDigit(text[^1]) && text.Contains(':', StringComparison.Ordinal) ? 10 : text.Length;
        text = text[..space];
        string[] forms = isMonthFirst ? ["yyyy-M-d", "M/d/yyyy", "M-d-yyyy", "M/d/yy", "d.M.yyyy", "d.M.yy"] : ["yyyy-M-d", "yyyy/M/d", "d.M.yyyy", "d/M/yyyy", "d-M-yyyy", "d.M.yy", "d/M/yy", "d MMM yyyy", "d MMMM yyyy", "MMM d yyyy", "yyyyMMdd"];
        return DateOnly.TryParseExact(text, forms, CultureInfo.InvariantCulture, DateTimeStyles.None, out var day) && day.Year is > 1950 and < 2100 ? day : null;
    }

    /// <summary>True when some cell can only be read with the month first.</summary>
    /// <param name="cells">Cells of a column of days.</param>
    public static bool AreMonthFirst(IEnumerable<string> cells) => cells.Any(c => Slashed().Match(c.Trim()) is { Success: true } m && int.Parse(m.Groups[2].ValueSpan, CultureInfo.InvariantCulture) > 12 && int.Parse(m.Groups[1].ValueSpan, CultureInfo.InvariantCulture) <= 12);

    /// <summary>Yes or no, in the words people use; null when it is neither.</summary>
    /// <param name="cell">The cell.</param>
    public static bool? Yes(string cell) => cell.Trim().ToLowerInvariant() switch { "yes" or "y" or "true" or "1" or "x" => true, "no" or "n" or "false" or "0" or "" => false, _ => null };

    /// <summary>A name as it is compared: letters and digits alone, without accents, in small letters; "Berg, Ada" is Ada Berg.</summary>
    /// <param name="name">The name.</param>
    public static string Folded(string name)
    {
        var text = name.Split(',', 2) is [var family, var given] && given.Trim().Length > 0 ? given + family : name;
        return new([.. text.Normalize(NormalizationForm.FormD).Where(c => char.IsLetterOrDigit(c) && CharUnicodeInfo.GetUnicodeCategory(c) != UnicodeCategory.NonSpacingMark).Select(char.ToLowerInvariant)]);
    }

    [GeneratedRegex(@"^(?:(\d{1,3}):(?=[0-5]\d))?(\d{1,5}(?:\.\d{1,4})?)\s*(?:s|sec|secs|seconds?)?$", RegexOptions.IgnoreCase)]
    private static partial Regex Time();

    [GeneratedRegex(@"^(\d{1,5}(?:\.\d{1,3})?)\s*(m|metres?|meters?|yd|yds|yards?|ft|feet)?$", RegexOptions.IgnoreCase)]
    private static partial Regex Way();

    [GeneratedRegex(@"^(\d{1,2})[/-](\d{1,2})[/-]\d{2,4}")]
    private static partial Regex Slashed();
}
