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
    [InlineData(-0.004, "+0.00")]
    [InlineData(-0.01, "−0.01")]
    [InlineData(0.03, "+0.03")]
    public void Differences_carry_a_true_sign_and_never_a_signed_nought(double value, string text) => Assert.Equal(text, Figures.Signed(value));
}
