using InchBurst.Core.Plan;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;

namespace InchBurst.Core.Load;

/// <summary>Where a figure for a load comes from, the best first.</summary>
public enum LoadSourceKind
{
    /// <summary>The athlete's own load line.</summary>
    Line,

    /// <summary>The athlete's free sprint and the friction of the floor.</summary>
    Sprint,

    /// <summary>Regression on acceleration over 15 m.</summary>
    AccelerationRule,

    /// <summary>Regression on top speed.</summary>
    TopSpeedRule,
}

/// <summary>What one source says.</summary>
/// <param name="Kind">Which it is.</param>
/// <param name="Load">Load with its 90% range; for a rule of thumb the spread between people is not known and the range is a common-practice fifth.</param>
/// <param name="BodyPercent">The same as percent of body mass.</param>
public sealed record LoadSource(LoadSourceKind Kind, LoadAmount Load, double BodyPercent)
{
    /// <summary>True for sources that know this athlete.</summary>
    public bool KnowsAthlete => Kind is LoadSourceKind.Line or LoadSourceKind.Sprint;
}

/// <summary>What is known of an athlete to work a load out.</summary>
/// <param name="Curve">Free curve.</param>
/// <param name="BodyKilograms">Body mass, kg, 25 to 200.</param>
/// <param name="Friction">Friction of sled and floor.</param>
/// <param name="Line">Load line on that floor, or null.</param>
/// <param name="CurveShare">Standard error of the curve's top speed as a share of it; what is usual of a training estimate where nothing is said.</param>
public sealed record LoadKnown(SprintCurve Curve, double BodyKilograms, Friction Friction, LoadLine? Line = null, double CurveShare = 0.02)
{
    /// <summary>Stature taken for air drag, m: it changes a load by less than a percent (common practice).</summary>
    public const double UsualHeightMetres = 1.75;

    private const double RuleSpread = 0.2;

    /// <summary>What kit without a mass costs, by <see cref="LoadEffect.CostKey"/>.</summary>
    public IReadOnlyDictionary<string, KitCost> Costs { get; init; } = NoCosts;

    private static readonly IReadOnlyDictionary<string, KitCost> NoCosts = new Dictionary<string, KitCost>();

    /// <summary>Every source that can answer, the best first.</summary>
    /// <param name="decrement">Percent slower than free, -15 to 95.</param>
    public IReadOnlyList<LoadSource> For(double decrement)
    {
        List<(LoadSourceKind Kind, LoadAmount? Load)> all = [(LoadSourceKind.Line, Line?.For(decrement)), (LoadSourceKind.Sprint, OfSprint(decrement)), (LoadSourceKind.AccelerationRule, Rule(LoadRules.Acceleration(100 - decrement))), (LoadSourceKind.TopSpeedRule, Rule(LoadRules.TopSpeed(100 - decrement)))];
        return [.. all.Where(s => s.Load is not null).Select(s => new LoadSource(s.Kind, s.Load!, s.Load!.Kilograms / BodyKilograms * 100))];
    }

    /// <summary>By how many percent a load slows, from the best source.</summary>
    /// <param name="kilograms">Load in kg, negative for a pull.</param>
    public double DecrementAt(double kilograms) => Line?.DecrementAt(kilograms) ?? ((1 - LoadPhysics.Share(Curve, BodyKilograms, UsualHeightMetres, Friction.Resistance(kilograms, BodyKilograms))) * 100);

    /// <summary>What a load on a line weighs for this athlete, sled included, and where the figure comes from; null source where the line says the mass itself; null where no mass answers it.</summary>
    /// <param name="load">The load.</param>
    public (double Kilograms, LoadSourceKind? Source)? MassOf(LineLoad? load)
    {
        if (load is not { Kind: LoadKind.Sled or LoadKind.Chain })
        {
            return null;
        }

        if (LoadEffect.Kilograms(load, BodyKilograms) is { } said)
        {
            return (said, null);
        }

        var best = Best(LoadEffect.Of(load, this).DecrementPercent);
        return (best.Load.Kilograms, best.Kind);
    }

    /// <summary>The best answer.</summary>
    /// <param name="decrement">Percent slower than free.</param>
    public LoadSource Best(double decrement) => For(decrement)[0];

    // R = mu g L solves F0 (1 - v/V0) - (k/m) v^2 - mu g L / m = 0 at the speed wanted.
    private LoadAmount OfSprint(double decrement)
    {
        double Kilograms(double mu, double f0) => LoadPhysics.ResistanceFor(Curve, f0, BodyKilograms, UsualHeightMetres, 1 - (decrement / 100)) * BodyKilograms / (mu * SprintForces.Gravity);
        var value = Kilograms(Friction.Mu, Curve.InitialAcceleration);

        // Friction and push at zero speed are the two that are not known well; their shares of error add in squares.
        var low = Math.Abs(value - Kilograms(Friction.Mu + Friction.Spread, Curve.InitialAcceleration));
        var high = Math.Abs(Kilograms(Math.Max(Friction.LeastMu, Friction.Mu - Friction.Spread), Curve.InitialAcceleration) - value);
        var push = Math.Abs(value) * 2 * CurveShare * 1.645;
        return new(value, value - Math.Sqrt((low * low) + (push * push)), value + Math.Sqrt((high * high) + (push * push)), false);
    }

    private LoadAmount? Rule(double bodyPercent) => bodyPercent <= 0 ? null
        : new LoadAmount(bodyPercent / 100 * BodyKilograms, bodyPercent / 100 * BodyKilograms * (1 - RuleSpread), bodyPercent / 100 * BodyKilograms * (1 + RuleSpread), false);

    /// <summary>By how much the sources differ, in one sentence.</summary>
    /// <param name="sources">Sources, the best first, one at least.</param>
    /// <param name="mass">What masses are read in.</param>
    public string Disagreement(IReadOnlyList<LoadSource> sources, MassReading mass)
    {
        string Text(double kilograms) => Measures.Text(new(MeasureKind.Load, kilograms), DistanceUnit.Metre, mass);
        var spread = sources.Max(s => s.Load.Kilograms) - sources.Min(s => s.Load.Kilograms);
        if (sources.Count < 2)
        {
            return "There is one source only; a load test would tell how far it is right.";
        }

        var know = sources.Where(s => s.KnowsAthlete).ToList();
        var all = $"The {Counted(sources.Count)} differ by {Text(spread)}, {Figures.Number(spread / BodyKilograms * 100)}% of body mass.";
        return know.Count == 2 ? $"{all} The two that know this athlete and floor {(Agree(know) ? "agree within" : "differ by")} {Text(Math.Abs(know[0].Load.Kilograms - know[1].Load.Kilograms))}; a rule of thumb cannot."
            : $"{all} Only a load test knows this athlete on this floor.";
    }

    private static bool Agree(IReadOnlyList<LoadSource> two) => two[0].Load.Low <= two[1].Load.High && two[1].Load.Low <= two[0].Load.High;

    private static string Counted(int count) => count switch { 2 => "two", 3 => "three", _ => "four" };
}

/// <summary>Rules of thumb from the literature, percent of body mass for a share of free speed.</summary>
public static class LoadRules
{
    /// <summary>Top speed: %BM = -0.8674 (%v) + 87.99 (Alcaraz et al. 2009).</summary>
    /// <param name="speedPercent">Speed wanted as percent of free.</param>
    public static double TopSpeed(double speedPercent) => (-0.8674 * speedPercent) + 87.99;

    /// <summary>Acceleration over 15 m: %BM = -1.96 (%v) + 188.99 (Lockie et al. 2003).</summary>
    /// <param name="speedPercent">Speed wanted as percent of free.</param>
    public static double Acceleration(double speedPercent) => (-1.96 * speedPercent) + 188.99;
}
