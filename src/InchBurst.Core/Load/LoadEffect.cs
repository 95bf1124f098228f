using InchBurst.Core.Plan;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;

namespace InchBurst.Core.Load;

/// <summary>Which way a load acts on a runner.</summary>
public enum LoadSense
{
    /// <summary>Nothing helps or hinders.</summary>
    Free,

    /// <summary>It holds back.</summary>
    Resisted,

    /// <summary>It helps.</summary>
    Assisted,
}

/// <summary>What a load does to an athlete.</summary>
/// <param name="Sense">Which way it acts.</param>
/// <param name="SpeedShare">Top speed with it as a share of free top speed, 0 (cannot be moved) to 1.3; 1 when free.</param>
/// <param name="Measured">True when the change of speed was said or follows from a mass and a slope; false when it stands on what is usual for such a load.</param>
public sealed record LoadEffect(LoadSense Sense, double SpeedShare, bool Measured)
{
    /// <summary>A load slows by more than this many percent when the movement no longer stays the same (common practice).</summary>
    public const double HeavyFromPercent = 10;

    /// <summary>Friction of a sled when the surface is not known: natural grass (Linthorne and Cooper 2013, from memory).</summary>
    public const double UsualFriction = 0.45;

    /// <summary>Body mass taken when none is known, kg (common practice).</summary>
    public const double UsualMassKilograms = 70;

    private const double UsualHeightMetres = 1.75;
    private const double SlowestShare = 0.05;

    /// <summary>No load.</summary>
    public static LoadEffect None { get; } = new(LoadSense.Free, 1, true);

    /// <summary>By how many percent it slows; negative when it quickens.</summary>
    public double DecrementPercent => (1 - SpeedShare) * 100;

    /// <summary>True when it slows so much that the movement changes.</summary>
    public bool IsHeavy => Sense == LoadSense.Resisted && DecrementPercent > HeavyFromPercent + 1e-9;

    /// <summary>True when this athlete could not get it moving.</summary>
    public bool CannotMove => SpeedShare <= SlowestShare;

    /// <summary>The curve under this load: with a line of force on speed the time constant stays and top speed is scaled (own derivation: dv/dt = F0 (1 - v/V0) - R/m keeps tau = V0/F0).</summary>
    /// <param name="free">The free curve.</param>
    public SprintCurve On(SprintCurve free) => Sense == LoadSense.Free ? free : free.AtEffort(Math.Max(SpeedShare, SlowestShare));

    /// <summary>
    /// What a load does. A said change of speed is taken as said. A dragged mass pulls with friction times its weight, a slope with its share of the weight, and the
    /// speed follows from the athlete's force and speed at zero (Samozino et al. 2016; Linthorne and Cooper 2013, from memory). Bands, parachutes and unsaid amounts
    /// take what is usual (common practice).
    /// </summary>
    /// <param name="load">The load; null for free running.</param>
    /// <param name="curve">The athlete's free curve.</param>
    /// <param name="massKilograms">Body mass in kg, 25 to 200; null takes <see cref="UsualMassKilograms"/>.</param>
    public static LoadEffect Of(LineLoad? load, SprintCurve curve, double? massKilograms = null)
    {
        if (load is null || load.Kind == LoadKind.Lift)
        {
            return None;
        }

        var mass = massKilograms ?? UsualMassKilograms;
        var sense = SenseOf(load);
        double Resisted(double newtonsPerKilogram) => Share(curve, mass, newtonsPerKilogram);
        return load switch
        {
            { Unit: LoadUnit.PercentSpeed } => new(load.Amount < 0 ? LoadSense.Resisted : load.Amount > 0 ? sense == LoadSense.Resisted ? LoadSense.Resisted : LoadSense.Assisted : sense, 1 + (load.Amount / 100), true),
            { Kind: LoadKind.Uphill or LoadKind.Downhill, Unit: LoadUnit.Degree or LoadUnit.PercentGrade } => new(sense, Resisted(Slope(load)), true),
            { Kind: LoadKind.Vest } when Kilograms(load, mass) is { } worn => new(sense, 1 - (0.5 * worn / (mass + worn)), true),
            { Kind: LoadKind.Sled or LoadKind.Chain } when Kilograms(load, mass) is { } dragged => new(sense, Resisted(UsualFriction * SprintForces.Gravity * dragged / mass), true),
            _ => new(sense, 1 - (UsualDecrement(load) / 100), false),
        };
    }

    /// <summary>Which way a load acts, known from what it is.</summary>
    /// <param name="load">The load; null for none.</param>
    public static LoadSense SenseOf(LineLoad? load) => load?.Kind switch
    {
        null or LoadKind.Lift => LoadSense.Free,
        LoadKind.Tow or LoadKind.Downhill => LoadSense.Assisted,
        LoadKind.Band when load is { Unit: LoadUnit.PercentSpeed, Amount: > 0 } => LoadSense.Assisted,
        _ => LoadSense.Resisted,
    };

    /// <summary>Mass of a load in kg where it has one; null otherwise.</summary>
    /// <param name="load">The load.</param>
    /// <param name="bodyKilograms">Body mass in kg.</param>
    public static double? Kilograms(LineLoad load, double bodyKilograms) => load.Unit switch
    {
        LoadUnit.Kilogram => load.Amount,
        LoadUnit.Pound => Figures.KilogramsFrom(load.Amount, MassReading.Pound),
        LoadUnit.PercentBodyMass => load.Amount / 100 * bodyKilograms,
        _ => null,
    };

    private static double Slope(LineLoad load)
    {
        var angle = load.Unit == LoadUnit.Degree ? load.Amount * Math.PI / 180 : Math.Atan(load.Amount / 100);
        return SprintForces.Gravity * Math.Sin(angle) * (load.Kind == LoadKind.Downhill ? -1 : 1);
    }

    private static double Share(SprintCurve curve, double mass, double newtonsPerKilogram)
    {
        var body = new BodyAndAir(mass, UsualHeightMetres);
        var drag = body.DragConstant / mass;

        // Force and speed at zero from the curve itself: its top speed is where push and air drag balance. The loaded top speed is the root of
        // k/m v^2 + F0/V0 v - (F0 - R/m) = 0.
        var f0 = curve.InitialAcceleration;
        var slope = (f0 - (drag * curve.Mss * curve.Mss)) / curve.Mss;
        var push = f0 - newtonsPerKilogram;
        return push <= 0 ? 0 : (Math.Sqrt((slope * slope) + (4 * drag * push)) - slope) / (2 * drag) / curve.Mss;
    }

    // Percent slower (negative quicker) where no figure is said (common practice).
    private static double UsualDecrement(LineLoad load) => (load.Kind, load.Unit) switch
    {
        (LoadKind.Sled or LoadKind.Chain, LoadUnit.Light) => 8,
        (LoadKind.Sled or LoadKind.Chain, LoadUnit.Heavy) => 40,
        (LoadKind.Sled or LoadKind.Chain, _) => 15,
        (LoadKind.Band, LoadUnit.Light) => 5,
        (LoadKind.Band, LoadUnit.Heavy) => 25,
        (LoadKind.Band, _) => 12,
        (LoadKind.Uphill, _) => 9,
        (LoadKind.Downhill, _) => -4,
        (LoadKind.Tow, _) => -4,
        (LoadKind.Vest, _) => 3,
        _ => 5,
    };
}
