using InchBurst.Core.Sprint;
using InchBurst.Core.Units;
using MathNet.Numerics.Distributions;

namespace InchBurst.Core.Load;

/// <summary>How hard a sled drags on a floor: pull over weight, with its spread.</summary>
/// <param name="Mu">Coefficient of friction, 0.05 to 1.5.</param>
/// <param name="Spread">Half of the range it lies in with 90% chance.</param>
/// <param name="IsMeasured">True when it comes from the coach's own pull test.</param>
public sealed record Friction(double Mu, double Spread, bool IsMeasured)
{
    /// <summary>Least and most a friction can be.</summary>
    public const double LeastMu = 0.05;

    /// <summary>Most a friction can be.</summary>
    public const double MostMu = 1.5;

    // Sleds differ as much as floors do: a fifth either way (common practice).
    private const double TableSpread = 0.2;

    /// <summary>What is usual on a surface (Linthorne and Cooper 2013); natural grass where it is not known.</summary>
    /// <param name="surface">The floor.</param>
    public static Friction Of(Surface surface)
    {
        var mu = surface switch
        {
            Surface.Track => 0.58,
            Surface.Turf => 0.35,
            Surface.Hall => 0.21,
            _ => 0.45,
        };
        return new(mu, mu * TableSpread, false);
    }

    /// <summary>Friction from the coach's own pull test: spring-scale newtons over the weight of the sled, mean and 90% range by Student's t; of one pull a tenth either way (common practice).</summary>
    /// <param name="newtons">Readings while the sled moves at an even speed, N, each above 0.</param>
    /// <param name="sledKilograms">Sled and plates together, kg, above 0.</param>
    /// <returns>The friction, or why these readings give none.</returns>
    public static (Friction? Friction, string? Problem) OfPulls(IReadOnlyList<double> newtons, double sledKilograms)
    {
        if (newtons.Count == 0 || !(sledKilograms > 0))
        {
            return (null, "A pull test takes at least one reading in newtons and the kilograms of sled and plates.");
        }

        var all = newtons.Select(n => n / (sledKilograms * SprintForces.Gravity)).ToList();
        if (all.FirstOrDefault(mu => mu is < LeastMu or > MostMu, 0) is var odd and not 0)
        {
            return (null, $"{Figures.Number(odd * sledKilograms * SprintForces.Gravity)} N for {Figures.Number(sledKilograms, 1)} kg would be a friction of {Figures.Exact(odd, 2)}; floors give {Figures.Exact(LeastMu, 2)} to {Figures.Exact(MostMu, 1)}. Read the scale in newtons while the sled slides evenly.");
        }

        var mean = all.Average();
        var half = all.Count == 1 ? mean * OnePull : Math.Sqrt(all.Sum(mu => (mu - mean) * (mu - mean)) / (all.Count - 1) / all.Count) * StudentT.InvCDF(0, 1, all.Count - 1, 0.95);
        return (new(mean, Math.Max(half, mean * LeastSpread), true), null);
    }

    // A scale is read to about a newton or two: no pull test is better than 3% (common practice).
    private const double OnePull = 0.1;
    private const double LeastSpread = 0.03;

    /// <summary>Resistance of a dragged mass over body mass, N/kg: friction times its weight on the flat.</summary>
    /// <param name="kilograms">Sled and plates, kg; negative for a pull from the front of so many kilograms on the same floor.</param>
    /// <param name="bodyKilograms">Body mass, kg.</param>
    public double Resistance(double kilograms, double bodyKilograms) => Mu * SprintForces.Gravity * kilograms / bodyKilograms;
}

/// <summary>The rope between athlete and sled: the steeper it is, the less the sled weighs on the floor.</summary>
/// <param name="LengthMetres">Length of the rope, m, above 0.</param>
/// <param name="HeightMetres">Height of the hook on the body above that on the sled, m, 0 to the length.</param>
public sealed record Rope(double LengthMetres, double HeightMetres)
{
    /// <summary>From this angle on it is told what the rope changes, degrees.</summary>
    public const double TellFromDegrees = 10;

    /// <summary>Angle to the ground, degrees.</summary>
    public double Degrees => Math.Asin(Math.Clamp(HeightMetres / LengthMetres, 0, 1)) * 180 / Math.PI;

    /// <summary>Share of the flat rope's resistance that is left: 1 / (1 + mu tan angle), from the balance of forces on the sled (own derivation).</summary>
    /// <param name="friction">Friction of the floor.</param>
    public double ShareLeft(Friction friction) => 1 / (1 + (friction.Mu * Math.Tan(Degrees * Math.PI / 180)));

    /// <summary>What the rope changes, in a coach's words; null up to <see cref="TellFromDegrees"/>.</summary>
    /// <param name="friction">Friction of the floor.</param>
    public string? Words(Friction friction) => Degrees <= TellFromDegrees + 1e-9 ? null
        : $"The rope rises {Figures.Number(Degrees)}°: it lifts the sled and takes {Figures.Number((1 - ShareLeft(friction)) * 100)}% off the resistance. A longer rope pulls flatter.";
}
