using InchBurst.Core.Units;

namespace InchBurst.Core.Tests;

public class UnitsTests
{
    // International yard and pound agreement of 1959: 1 yd = 0.9144 m, 1 lb = 0.45359237 kg; 1 mph = 0.44704 m/s.
    [Fact]
    public void Definitions_are_exact()
    {
        Assert.Equal(36.576, new Distance(40, DistanceUnit.Yard).Metres, 12);
        Assert.Equal(54.864, new Distance(60, DistanceUnit.Yard).Metres, 12);
        Assert.Equal(27.432, new Distance(90, DistanceUnit.Foot).Metres, 12);
        Assert.Equal(1, Figures.SpeedIn(0.44704, SpeedReading.MilesPerHour), 9);
        Assert.Equal(36, Figures.SpeedIn(10, SpeedReading.KilometresPerHour), 9);
        Assert.Equal(45.359237, Figures.KilogramsFrom(100, MassReading.Pound), 9);
        Assert.Equal(100, Figures.MassIn(45.359237, MassReading.Pound), 9);
        Assert.Equal("40 yd", Distance.InMetres(36.576).To(DistanceUnit.Yard).ToString());
    }

    [Theory]
    [InlineData(0, "0:00")]
    [InlineData(59.6, "1:00")]
    [InlineData(2530, "42:10")]
    [InlineData(-130, "−2:10")]
    public void Clock_times(double seconds, string text) => Assert.Equal(text, Figures.Clock(seconds));

    [Theory]
    [InlineData(1.055, "1.06")]
    [InlineData(105.12, "105.12")]
    [InlineData(299.994, "299.99")]
    [InlineData(299.996, "5:00")]
    [InlineData(322, "5:22")]
    [InlineData(322.4, "5:22.4")]
    [InlineData(302.05, "5:02.05")]
    [InlineData(3671.5, "61:11.5")]
    public void Times_are_written_in_minutes_from_five_of_them_on_and_read_back(double seconds, string text)
    {
        Assert.Equal(text, Figures.Split(seconds));
        Assert.Equal(text.Contains(':') ? "" : "s", Figures.SplitUnit(seconds));
        Assert.True(Figures.TrySplit(text, out var read));
        Assert.Equal(Math.Round(seconds, 2, MidpointRounding.AwayFromZero), read, 9);
    }

    [Theory]
    [InlineData("5:22,4", 322.4)]
    [InlineData("0:59", 59.0)]
    [InlineData(".5", 0.5)]
    [InlineData("120:00", 7200.0)]
    [InlineData("5:60", null)]
    [InlineData("5:2", null)]
    [InlineData("5:220", null)]
    [InlineData("5:2.2", null)]
    [InlineData(":22", null)]
    [InlineData("5:", null)]
    [InlineData("1:05:22", null)]
    [InlineData("1000:00", null)]
    [InlineData("5.:22", null)]
    [InlineData("5:22.4.1", null)]
    [InlineData("1.2.3", null)]
    [InlineData("1234567.89", null)]
    [InlineData("٣", null)]
    [InlineData("-3", null)]
    [InlineData("", null)]
    public void Minutes_have_two_figures_of_seconds(string text, double? seconds)
    {
        Assert.Equal(seconds is not null, Figures.TrySplit(text, out var read));
        Assert.Equal(seconds ?? 0, read, 9);
    }

    [Theory]
    [InlineData(MeasureKind.TouchHeight, "301", null, "301 cm", "118.5 in")]
    [InlineData(MeasureKind.TouchHeight, "99", DoubtKind.Impossible, "", "")]
    [InlineData(MeasureKind.TouchHeight, "380", DoubtKind.Unlikely, "380 cm", "149.6 in")]
    [InlineData(MeasureKind.TouchHeight, "451", DoubtKind.Impossible, "", "")]
    [InlineData(MeasureKind.BoxHeight, "61", null, "61 cm", "24 in")]
    [InlineData(MeasureKind.BoxHeight, "131", DoubtKind.Unlikely, "131 cm", "51.6 in")]
    [InlineData(MeasureKind.BoxHeight, "9", DoubtKind.Impossible, "", "")]
    public void Heights_of_touches_and_boxes(MeasureKind kind, string typed, DoubtKind? doubt, string text, string inches)
    {
        var (value, found, _) = Measures.Read(typed, kind, DistanceUnit.Metre, MassReading.Kilogram);
        Assert.Equal(doubt, found);
        Assert.Equal(text, value is { } v ? Measures.Text(v, DistanceUnit.Metre, MassReading.Kilogram) : "");
        Assert.Equal(inches, value is { } i ? Measures.Text(i, DistanceUnit.Yard, MassReading.Kilogram) : "");
    }

    [Theory]
    [InlineData(-0.004, "+0.00")]
    [InlineData(-0.01, "−0.01")]
    [InlineData(0.03, "+0.03")]
    public void Differences_carry_a_true_sign_and_never_a_signed_nought(double value, string text) => Assert.Equal(text, Figures.Signed(value));
}
