namespace InchBurst.Core.Log;

/// <summary>A time as its digits stand.</summary>
/// <param name="Text">The figure with its point where it belongs.</param>
/// <param name="IsWhole">True when hundredths are there, so that the next digit belongs to the next mark.</param>
public readonly record struct PlacedDigits(string Text, bool IsWhole);

/// <summary>
/// Digits typed without a point find their own: it stands where the figure lies nearest to what is expected, as 412 is 4.12 where four seconds are expected and 92 is 0.92
/// where nine tenths are. A point typed by hand always wins.
/// </summary>
public static class DigitEntry
{
    private const int Decimals = 2;
    private const int MostWhole = 4;

    /// <summary>Places the point.</summary>
    /// <param name="digits">What was typed.</param>
    /// <param name="expectedSeconds">The time expected there in s; 0 or less when nothing is known, which leaves the digits as they are.</param>
    /// <returns>The figure; the text itself, not whole, when it holds anything but digits.</returns>
    public static PlacedDigits Place(string digits, double expectedSeconds)
    {
        if (digits.Length == 0 || expectedSeconds <= 0 || digits.Any(c => c is < '0' or > '9'))
        {
            return new(digits, false);
        }

        var whole = WholeDigits(digits, expectedSeconds);
        var text = whole == 0 ? "0." + digits : digits.Length <= whole ? digits : $"{digits[..whole]}.{digits[whole..]}";
        return new(text, digits.Length == whole + Decimals);
    }

    // The first digit settles it: it says the most and must not move the point once it stands. A leading nought is the whole part of a time under a second.
    private static int WholeDigits(string digits, double expectedSeconds) => digits[0] == '0'
        ? 1
        : Enumerable.Range(0, MostWhole + 1).MinBy(whole => Math.Abs(Math.Log((digits[0] - '0' + Middle) * Math.Pow(10, whole - 1) / expectedSeconds)));

    // Of the figures that begin with a digit, the one in the middle.
    private const double Middle = 0.5;
}
