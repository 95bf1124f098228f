using InchBurst.Core.Catalogue;
using System.Globalization;
using InchBurst.Core.Plan;
using InchBurst.Core.Progress;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Units;

namespace InchBurst.Core.Tests;

/// <summary>The most that can be lifted once, and what goes on the bar.</summary>
public class LiftMaximumTests
{
    private static readonly DateOnly Day = new(2026, 11, 27);

    // science.md: Epley w (1 + r/30), Brzycki 36 w/(37 - r), both from memory; 100 kg x 5: 116.7 and 112.5 kg.
    [Theory]
    [InlineData(100, 5, 112.5, 116.667)]
    [InlineData(100, 1, 100, 100)]
    [InlineData(100, 2, 102.857, 106.667)]
    [InlineData(60, 10, 80, 80)]
    [InlineData(80, 9, 102.857, 104)]
    public void A_set_gives_a_range(double kilograms, int reps, double low, double high)
    {
        var range = LiftMaximum.Likely(kilograms, reps)!.Value;
        Assert.Equal(low, range.Low, 3);
        Assert.Equal(high, range.High, 3);
    }

    [Fact]
    public void More_than_ten_reps_say_nothing_of_one() => Assert.Null(LiftMaximum.Likely(60, 11));

    // Days before the day asked, kg, reps, t for a test; what stands.
    [Theory]
    [InlineData("", null)]
    [InlineData("10 100 1 t", "100 kg tested")]
    [InlineData("10 100 5", "112.5 to 116.7 kg from 100 kg x 5")]
    [InlineData("10 100 1", "100 kg lifted")]
    [InlineData("10 100 5; 3 105 5", "118.1 to 122.5 kg from 105 kg x 5")]
    [InlineData("10 100 5; 3 95 5", "112.5 to 116.7 kg from 100 kg x 5")]
    [InlineData("10 120 1 t; 20 115 1 t", "120 kg tested")]
    [InlineData("10 110 1 t; 20 120 1 t", "110 kg tested")]
    [InlineData("10 110 1 t; 20 130 1", "110 kg tested")]
    [InlineData("10 110 1 t; 5 110 1", "110 kg tested")]
    [InlineData("10 110 1 t; 5 110.5 1", "110.5 kg lifted")]
    [InlineData("10 110 1 t; 10 100 5", "112.5 to 116.7 kg from 100 kg x 5")]
    [InlineData("10 110 1 t; 5 60 12", "110 kg tested")]
    [InlineData("182 100 1 t", "100 kg tested")]
    [InlineData("183 100 1 t", "100 kg tested, old")]
    [InlineData("183 120 1 t; 30 90 1", "90 kg lifted")]
    [InlineData("200 90 1 t; 300 120 1 t", "90 kg tested, old")]
    [InlineData("200 90 1; 200 100 1", "100 kg lifted, old")]
    [InlineData("-1 200 1 t; 10 100 1 t", "100 kg tested")]
    [InlineData("0 105 1 t; 10 110 1", "105 kg tested")]
    [InlineData("5 100 3 t", "105.9 to 110 kg from 100 kg x 3")]
    public void What_stands_is_the_latest_test_or_what_shows_more_since(string sets, string? stands)
    {
        var all = sets.Split(';', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries).Select(s => s.Split(' '))
            .Select(s => new LiftSet(Day.AddDays(-int.Parse(s[0], CultureInfo.InvariantCulture)), double.Parse(s[1], CultureInfo.InvariantCulture), int.Parse(s[2], CultureInfo.InvariantCulture), s.Length > 3)).ToList();
        var of = StandingMaximum.Of(all, Day);
        Assert.Equal(stands, of is null ? null : of.Words(MassReading.Kilogram) + (of.IsOld ? ", old" : ""));
        all.Reverse();
        Assert.Equal(of, StandingMaximum.Of(all, Day));
    }

    [Fact]
    public void Tested_is_one_rep_that_somebody_called_the_most()
    {
        Assert.True(StandingMaximum.Of([new(Day, 100, 1, true)], Day)!.IsTested);
        Assert.False(StandingMaximum.Of([new(Day, 100, 1, false)], Day)!.IsTested);
        Assert.False(StandingMaximum.Of([new(Day, 100, 2, true)], Day)!.IsTested);
    }

    // Shares are of the lower end: 75% of 112.5 kg is 84.4, on the bar 85.
    [Theory]
    [InlineData("squat 4 x 3 75% max", 100, 5, MassReading.Kilogram, "85 kg")]
    [InlineData("squat 4 x 3 60-75% max", 100, 1, MassReading.Kilogram, "60 to 75 kg")]
    [InlineData("squat 4 x 3 60-61% max", 100, 1, MassReading.Kilogram, "60 kg")]
    [InlineData("squat 4 x 3 80% max", 90.718474, 1, MassReading.Pound, "160 lb")]
    [InlineData("squat 4 x 3 60 kg", 100, 1, MassReading.Kilogram, null)]
    [InlineData("squat 4 x 3", 100, 1, MassReading.Kilogram, null)]
    [InlineData("4 x 20 m sled 20%bm", 100, 1, MassReading.Kilogram, null)]
    [InlineData("loaded jump 4 x 4 30%bm", 100, 1, MassReading.Kilogram, null)]
    public void A_share_of_the_maximum_is_told_as_what_goes_on_the_bar(string line, double kilograms, int reps, MassReading mass, string? bar) =>
        Assert.Equal(bar, StandingMaximum.Of([new(Day, kilograms, reps, true)], Day)!.BarWords(ShorthandLine.Read(line).Line!.Load, mass));

    // 30% of 78 kg is 23.4: with pairs of 1.25 kg plates 22.5.
    [Theory]
    [InlineData("loaded jump 4 x 4 30% BW", 78.0, MassReading.Kilogram, "22.5 kg")]
    [InlineData("loaded carry 3 x 20 m 50-60%bm", 80.0, MassReading.Kilogram, "40 to 47.5 kg")]
    [InlineData("squat 3 x 5 100%bm", 90.718474, MassReading.Pound, "200 lb")]
    [InlineData("squat 3 x 5 100%bm", null, MassReading.Kilogram, null)]
    [InlineData("squat 3 x 5 75% max", 80.0, MassReading.Kilogram, null)]
    [InlineData("4 x 20 m sled 20%bm", 80.0, MassReading.Kilogram, null)]
    public void A_share_of_body_mass_is_told_as_what_is_lifted(string typed, double? body, MassReading mass, string? bar)
    {
        var line = ShorthandLine.Read(typed).Line!;
        Assert.Equal(bar, LiftMaximum.OfBody(line.Load, body, mass) is { } of ? LiftMaximum.Words(of, mass) : null);
        Assert.Equal(line.Load, ShorthandLine.Read(ShorthandPrinter.Print(line, ExerciseCatalogue.BuiltIn)).Line!.Load);
    }
}
