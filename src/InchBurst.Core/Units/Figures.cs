using System.Globalization;

namespace InchBurst.Core.Units;

/// <summary>Units a club reads speed in.</summary>
public enum SpeedReading
{
    /// <summary>Metres a second.</summary>
    MetresPerSecond,

    /// <summary>Kilometres an hour.</summary>
    KilometresPerHour,

    /// <summary>Miles an hour; 1 mph is 0.44704 m/s exactly.</summary>
    MilesPerHour,
}

/// <summary>Units a club reads mass in.</summary>
public enum MassReading
{
    /// <summary>Kilograms.</summary>
    Kilogram,

    /// <summary>Pounds of 0.45359237 kg.</summary>
    Pound,
}

/// <summary>Figures as coaches read them: clock times, split times, speeds and masses.</summary>
public static class Figures
{
    // Exact by definition (1959): the mile of 1609.344 m, the pound of 0.45359237 kg.
    private const double MetresASecondAMileAnHour = 0.44704;
    private const double KilogramsAPound = 0.45359237;

    /// <summary>The typographic minus sign used everywhere on screen.</summary>
    public const string Minus = "−";

    /// <summary>A duration as m:ss, rounded to the nearest second; negative durations carry a true minus.</summary>
    /// <param name="seconds">Seconds, finite.</param>
    public static string Clock(double seconds)
    {
        var whole = (long)Math.Round(Math.Abs(seconds), MidpointRounding.AwayFromZero);
        var text = string.Create(CultureInfo.InvariantCulture, $"{whole / 60}:{whole % 60:00}");
        return seconds < 0 && whole > 0 ? Minus + text : text;
    }

    /// <summary>From here on a time is written and typed in minutes and seconds, s.</summary>
    public const double InMinutesFrom = 300;

    /// <summary>A measured time: two decimals, such as "1.06"; from five minutes on in minutes, such as "5:22" or "5:22.4".</summary>
    /// <param name="seconds">Seconds, finite.</param>
    public static string Split(double seconds)
    {
        var hundredths = (long)Math.Round(seconds * 100, MidpointRounding.AwayFromZero);
        return hundredths < InMinutesFrom * 100
            ? seconds.ToString("0.00", CultureInfo.InvariantCulture)
            : string.Create(CultureInfo.InvariantCulture, $"{hundredths / 6000}:{hundredths % 6000 / 100m:00.##}");
    }

    /// <summary>The unit that stands beside a measured time: none where minutes say what it is.</summary>
    /// <param name="seconds">Seconds, finite.</param>
    public static string SplitUnit(double seconds) => Split(seconds).Contains(':', StringComparison.Ordinal) ? "" : "s";

    /// <summary>Reads a measured time: seconds with comma or point, or minutes and seconds, such as 1.81 or 5:22.4.</summary>
    /// <param name="text">What was typed, without spaces around it.</param>
    /// <param name="seconds">The time, s, 0 or more; 0 when it is none.</param>
    /// <returns>True when it is a time.</returns>
    public static bool TrySplit(string text, out double seconds)
    {
        seconds = 0;
        var (minutes, rest) = text.Split(':') switch
        {
            [var only] => ("0", only),
            [var m, var s] when s.Length >= 2 && s[1] is >= '0' and <= '9' && (s.Length == 2 || s[2] is '.' or ',') && s[0] <= '5' => (m, s),
            _ => ("", ""),
        };
        if (text.Length > 9 || minutes.Length is 0 or > 3 || rest.Count(c => c is '.' or ',') > 1 || !minutes.All(char.IsAsciiDigit) || !rest.All(c => char.IsAsciiDigit(c) || c is '.' or ',')
            || !double.TryParse(rest.Replace(',', '.'), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var within))
        {
            return false;
        }

        seconds = (60 * int.Parse(minutes, CultureInfo.InvariantCulture)) + within;
        return true;
    }

    /// <summary>A number with at most <paramref name="decimals"/> decimals and a true minus.</summary>
    /// <param name="value">The number, finite.</param>
    /// <param name="decimals">0 to 4.</param>
    public static string Number(double value, int decimals = 0)
    {
        var text = Math.Abs(value).ToString(decimals == 0 ? "0" : "0." + new string('#', decimals), CultureInfo.InvariantCulture);
        return value < 0 && text.Any(c => c is >= '1' and <= '9') ? Minus + text : text;
    }

    /// <summary>A number with exactly <paramref name="decimals"/> decimals and a true minus.</summary>
    /// <param name="value">The number, finite.</param>
    /// <param name="decimals">0 to 4.</param>
    public static string Exact(double value, int decimals)
    {
        var text = Math.Abs(value).ToString("F" + decimals.ToString(CultureInfo.InvariantCulture), CultureInfo.InvariantCulture);
        return value < 0 && text.Any(c => c is >= '1' and <= '9') ? Minus + text : text;
    }

    /// <summary>A difference with its sign, such as "+0.03" or "−0.01".</summary>
    /// <param name="value">The difference, finite.</param>
    /// <param name="decimals">0 to 4.</param>
    public static string Signed(double value, int decimals = 2)
    {
        var text = Exact(value, decimals);
        return text.StartsWith(Minus, StringComparison.Ordinal) ? text : "+" + text;
    }

    /// <summary>A speed in the club's unit.</summary>
    /// <param name="metresPerSecond">Speed in m/s, finite.</param>
    /// <param name="reading">Unit to read it in.</param>
    public static double SpeedIn(double metresPerSecond, SpeedReading reading) => reading switch
    {
        SpeedReading.KilometresPerHour => metresPerSecond * 3.6,
        SpeedReading.MilesPerHour => metresPerSecond / MetresASecondAMileAnHour,
        _ => metresPerSecond,
    };

    /// <summary>The short name of a speed unit.</summary>
    /// <param name="reading">The unit.</param>
    public static string SymbolOf(SpeedReading reading) => reading switch
    {
        SpeedReading.KilometresPerHour => "km/h",
        SpeedReading.MilesPerHour => "mph",
        _ => "m/s",
    };

    /// <summary>A speed with its unit; two decimals in m/s, one otherwise.</summary>
    /// <param name="metresPerSecond">Speed in m/s, finite.</param>
    /// <param name="reading">Unit to read it in.</param>
    public static string SpeedText(double metresPerSecond, SpeedReading reading) =>
        SpeedNumber(metresPerSecond, reading) + " " + SymbolOf(reading);

    /// <summary>A speed without its unit; two decimals in m/s, one otherwise.</summary>
    /// <param name="metresPerSecond">Speed in m/s, finite.</param>
    /// <param name="reading">Unit to read it in.</param>
    public static string SpeedNumber(double metresPerSecond, SpeedReading reading) =>
        Exact(SpeedIn(metresPerSecond, reading), reading == SpeedReading.MetresPerSecond ? 2 : 1);

    /// <summary>A mass in the club's unit.</summary>
    /// <param name="kilograms">Mass in kg, finite.</param>
    /// <param name="reading">Unit to read it in.</param>
    public static double MassIn(double kilograms, MassReading reading) =>
        reading == MassReading.Pound ? kilograms / KilogramsAPound : kilograms;

    /// <summary>Kilograms from a mass typed in the club's unit.</summary>
    /// <param name="amount">Mass in <paramref name="reading"/>, finite.</param>
    /// <param name="reading">Unit it was typed in.</param>
    public static double KilogramsFrom(double amount, MassReading reading) =>
        reading == MassReading.Pound ? amount * KilogramsAPound : amount;

    /// <summary>The short name of a mass unit.</summary>
    /// <param name="reading">The unit.</param>
    public static string SymbolOf(MassReading reading) => reading == MassReading.Pound ? "lb" : "kg";
}
