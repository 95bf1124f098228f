using InchBurst.Core.Units;

namespace InchBurst.Core.Log;

/// <summary>A time as its digits stand.</summary>
/// <param name="Text">The figure with its point where it belongs.</param>
/// <param name="IsWhole">True when hundredths, or the seconds of minutes, are there, so that the next digit belongs to the next mark.</param>
public readonly record struct PlacedDigits(string Text, bool IsWhole);

/// <summary>
/// Digits typed without a point find their own: it stands where the figure lies nearest to what is expected, as 412 is 4.12 where four seconds are expected and 92 is 0.92
/// where nine tenths are. From five minutes on they are minutes and seconds, as 522 is 5:22. A point typed by hand always wins.
/// </summary>
public static class DigitEntry
{
    private const int After = 2;
    private const int MostWhole = 4;

    /// <summary>
    /// Where the point stands for each first digit, as whoever draws a box needs it: the sign that divides, then for the first digits 0 to 9 how many digits stand before it.
    /// The first digit settles it: it says the most, and the point must not move once it stands.
    /// </summary>
    /// <param name="expectedSeconds">The time expected there in s.</param>
    /// <returns>Such as ".1111110000"; empty when nothing is expected.</returns>
    public static string Points(double expectedSeconds)
    {
        if (!(expectedSeconds > 0))
        {
            return "";
        }

        var inMinutes = expectedSeconds >= Figures.InMinutesFrom;
        var expected = inMinutes ? expectedSeconds / 60 : expectedSeconds;
        return (inMinutes ? ":" : ".") + string.Concat(Enumerable.Range(0, 10).Select(first => Whole(first, expected, inMinutes ? 1 : 0)));
    }

    /// <summary>Places the point.</summary>
    /// <param name="digits">What was typed.</param>
    /// <param name="expectedSeconds">The time expected there in s; 0 or less when nothing is known, which leaves the digits as they are.</param>
    /// <returns>The figure; the text itself, not whole, when it holds anything but digits.</returns>
    public static PlacedDigits Place(string digits, double expectedSeconds)
    {
        var points = Points(expectedSeconds);
        if (digits.Length == 0 || points.Length == 0 || !digits.All(char.IsAsciiDigit))
        {
            return new(digits, false);
        }

        var whole = points[1 + digits[0] - '0'] - '0';
        var text = whole == 0 ? $"0{points[0]}{digits}" : digits.Length <= whole ? digits : $"{digits[..whole]}{points[0]}{digits[whole..]}";
        return new(text, digits.Length == whole + After);
    }

    // A leading nought is the whole part of a time under a second.
    private static int Whole(int first, double expected, int least) => first == 0
        ? 1
        : Enumerable.Range(least, MostWhole + 1 - least).MinBy(whole => Math.Abs(Math.Log((first + Middle) * Math.Pow(10, whole - 1) / expected)));

    // Of the figures that begin with a digit, the one in the middle.
    private const double Middle = 0.5;
}
