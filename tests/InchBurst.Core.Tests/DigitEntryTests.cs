using CsCheck;
using InchBurst.Core.Log;

namespace InchBurst.Core.Tests;

/// <summary>Digits that find their own point. What is expected are times of this trade, from a flying 10 m to a shuttle of minutes.</summary>
public class DigitEntryTests
{
    [Theory]
    [InlineData("412", 4.3, "4.12", true)]
    [InlineData("4", 4.3, "4", false)]
    [InlineData("41", 4.3, "4.1", false)]
    [InlineData("4123", 4.3, "4.123", false)]
    [InlineData("92", 0.9, "0.92", true)]
    [InlineData("9", 0.9, "0.9", false)]
    [InlineData("105", 0.9, "1.05", true)]
    [InlineData("098", 1.05, "0.98", true)]
    [InlineData("98", 1.05, "0.98", true)]
    [InlineData("0", 1.05, "0", false)]
    [InlineData("1220", 12.4, "12.20", true)]
    [InlineData("998", 10.4, "9.98", true)]
    [InlineData("1012", 9.8, "10.12", true)]
    [InlineData("10512", 96, "105.12", true)]
    [InlineData("522", 322, "5:22", true)]
    [InlineData("52", 322, "5:2", false)]
    [InlineData("5221", 322, "5:221", false)]
    [InlineData("1105", 640, "11:05", true)]
    [InlineData("958", 640, "9:58", true)]
    [InlineData("29999", 299.9, "299.99", true)]
    [InlineData("500", 300, "5:00", true)]
    [InlineData("412", 0, "412", false)]
    [InlineData("412", -1, "412", false)]
    [InlineData("4.12", 4.3, "4.12", false)]
    [InlineData("4,1", 4.3, "4,1", false)]
    [InlineData("", 4.3, "", false)]
    [InlineData("٤12", 4.3, "٤12", false)]
    public void The_point_stands_where_the_figure_is_nearest_to_what_is_expected(string digits, double expected, string text, bool whole) =>
        Assert.Equal(new PlacedDigits(text, whole), DigitEntry.Place(digits, expected));

    [Theory]
    [InlineData(1.05, ".1110000000")]
    [InlineData(4.3, ".1111111111")]
    [InlineData(322, ":1211111111")]
    [InlineData(640, ":1221111111")]
    [InlineData(0, "")]
    [InlineData(double.NaN, "")]
    public void Where_points_stand_is_told_for_each_first_digit(double expected, string points) => Assert.Equal(points, DigitEntry.Points(expected));

    [Fact]
    public void Times_within_a_third_of_what_is_expected_are_always_read_right_and_digit_by_digit() =>
        Gen.Select(Gen.Double[0.35, 200], Gen.Double[0.75, 1.35]).Sample((expected, share) =>
        {
            var time = Math.Round(expected * share, 2).ToString("0.00", System.Globalization.CultureInfo.InvariantCulture);
            var typed = time.Replace(".", "", StringComparison.Ordinal);
            Assert.Equal(new(time, true), DigitEntry.Place(typed.StartsWith('0') ? typed[1..].TrimStart('0') is { Length: 2 } short2 ? short2 : typed : typed, expected));

            // The point never moves once it stands.
            for (var n = 1; n <= typed.Length; n++)
            {
                Assert.StartsWith(DigitEntry.Place(typed[..n], expected).Text, time, StringComparison.Ordinal);
            }
        });
}
