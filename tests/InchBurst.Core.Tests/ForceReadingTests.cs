using InchBurst.Core.Progress;
using InchBurst.Core.School;
using InchBurst.Core.Sprint;

namespace InchBurst.Core.Tests;

/// <summary>Forces with their ranges, what is short beside a squad, and what that suggests within a school.</summary>
public class ForceReadingTests
{
    private static readonly BodyAndAir Body = new(70, 1.75);

    private static StandingFit Fit(double mss, double tau, double mssError = 0.04, double tauError = 0.02) => new(new(mss, tau), mssError, tauError, 10, new(2026, 5, 1), 100);

    [Fact]
    public void The_five_figures_are_the_worked_ones_and_their_ranges_carry_the_errors_through()
    {
        // science.md 3: MSS 8.5, tau 1.2, h 1.75, m 70: F0 7.009, V0 8.825, Pmax 15.46, RFmax 49.1%, DRF -7.28%.
        var figures = ForceReading.Of(Fit(8.5, 1.2), Body);
        Assert.Equal(["F0", "V0", "Pmax", "RFmax", "DRF"], figures.Select(f => f.Name));
        Assert.Equal(["N/kg", "m/s", "W/kg", "%", "% per m/s"], figures.Select(f => f.Unit));
        Assert.Equal([7.009, 8.825, 15.46, 49.1, -7.28], figures.Select(f => f.Value), (a, b) => Math.Abs(a - b) < 0.06);
        Assert.Equal(5, figures.Select(f => f.Words).Distinct().Count());

        // F0 is close to MSS / tau, so its error is close to F0 sqrt((sm / MSS)^2 + (st / tau)^2); V0 moves with MSS.
        Assert.Equal(1.645 * 7.009 * Math.Sqrt(Math.Pow(0.04 / 8.5, 2) + Math.Pow(0.02 / 1.2, 2)), figures[0].Half90, 2);
        Assert.Equal(1.645 * 0.04 * 8.825 / 8.5, figures[1].Half90, 2);
        Assert.All(figures, f => Assert.True(f.Half90 > 0));
        Assert.Equal(2, ForceReading.Of(Fit(8.5, 1.2, 0.08, 0.04), Body)[0].Half90 / figures[0].Half90, 6);
    }

    private static GainEffect Gain(double mss, double tau) => GainEffect.Of(SprintForces.From(new(mss, tau), Body), Body.DragConstant / Body.MassKilograms, GainEffect.Told);

    [Fact]
    public void Whoever_would_win_more_by_push_than_the_squads_middle_is_short_of_push()
    {
        GainEffect[] squad = [Gain(8.5, 1.2), Gain(8.4, 1.2), Gain(8.6, 1.2), Gain(8.5, 1.21)];
        Assert.Equal(ShortOf.Neither, ForceAdvice.Short(Gain(8.5, 1.2), squad));

        // A slow riser to a high top speed lacks push; a quick starter with a low one lacks speed.
        Assert.Equal(ShortOf.Push, ForceAdvice.Short(Gain(9.3, 1.45), squad));
        Assert.Equal(ShortOf.Speed, ForceAdvice.Short(Gain(7.6, 0.95), squad));
        Assert.Null(ForceAdvice.Short(Gain(8.5, 1.2), squad[..3]));
    }

    [Fact]
    public void Gains_told_at_20_m_split_at_five_percent_of_the_middle()
    {
        static GainEffect At(double push) => new([new(10, 0.03, 0.01), new(20, push, 0.02)], null);
        GainEffect[] squad = [At(0.02), At(0.02), At(0.02), At(0.02)];
        Assert.Equal([ShortOf.Neither, ShortOf.Push, ShortOf.Neither, ShortOf.Speed], new[] { 0.0209, 0.0211, 0.0191, 0.0189 }.Select(p => ForceAdvice.Short(At(p), squad)!.Value));
    }

    private static CoachingSchool School(string begins) => CoachingSchool.BuiltIn.First(s => s.Name.StartsWith(begins, StringComparison.Ordinal));

    [Fact]
    public void Hints_say_what_wins_most_as_the_school_trains_it()
    {
        var gain = Gain(8.5, 1.2);
        var light = ForceAdvice.Of(gain, School("Full rest"), isYoung: false, isHeld: false);
        Assert.Equal(["Starts and accelerations of 10 to 20 m, fresh each time", "Light sleds, at most 10% slower", "Flying 10 m after 20 to 40 m, at most 6", "Help of at most 5%, seldom"], light.Select(h => h.What));
        var at = gain.At[0];
        Assert.Contains($"3% more wins {(at.Push * 100).ToString("0.0", System.Globalization.CultureInfo.InvariantCulture)} hundredths over 10 m against {(at.Speed * 100).ToString("0.0", System.Globalization.CultureInfo.InvariantCulture)}", light[0].Why);
        Assert.Contains("hundredths over 40 m", light[2].Why);
        Assert.Contains("hamstring", light[2].Caution);
        Assert.Contains("Never for beginners", light[3].Caution);
        Assert.Contains("rope checked", light[1].Caution);

        var heavy = School("Heavy to light");
        Assert.Contains(ForceAdvice.Of(gain, heavy, false, false), h => h.What == $"Sleds that slow by up to {heavy["load.heaviest"]:0}%, 10 to 20 m" && h.Why.Contains($"over {heavy["load.weeks"]:0} weeks", StringComparison.Ordinal));

        // The young pull nothing heavy and get no help; who is held has that said first, and no help either.
        Assert.Equal(["Starts and accelerations of 10 to 20 m, fresh each time", "Hills and jumps instead of loads", "Flying 10 m after 20 to 40 m, at most 6"], ForceAdvice.Of(gain, School("Full rest"), true, false).Select(h => h.What));
        var held = ForceAdvice.Of(gain, heavy, false, true);
        Assert.All(held, h => Assert.StartsWith("Not in full training", h.Caution));
        Assert.DoesNotContain(held, h => h.What.StartsWith("Help", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData(0.011, 0.0099, "Starts")]
    [InlineData(0.011, 0.0101, "Keep both")]
    [InlineData(0.0099, 0.011, "Flying")]
    [InlineData(0.0101, 0.011, "Keep both")]
    public void A_tenth_more_is_a_reason_to_choose(double push, double speed, string begins) =>
        Assert.StartsWith(begins, ForceAdvice.Of(new([new(10, push, speed)], null), CoachingSchool.Usual, false, false)[0].What, StringComparison.Ordinal);
}
