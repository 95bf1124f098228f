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

    /// <summary>Body mass taken when none is known, kg (common practice).</summary>
    public const double UsualMassKilograms = 70;

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
    /// What a load does. A said change of speed is taken as said, an aim as what is usual of it. A dragged mass slows as the athlete's load line says, or else pulls with friction times its weight, a
    /// slope with its share of the weight, and the speed follows from the athlete's force and speed at zero (Samozino et al. 2016; Linthorne and Cooper 2013, from memory). Kit without a mass costs
    /// what was measured of it; where nothing was, bands, parachutes and unsaid amounts take what is usual (common practice).
    /// </summary>
    /// <param name="load">The load; null for free running.</param>
    /// <param name="known">What is known of the athlete, the floor and the kit.</param>
    public static LoadEffect Of(LineLoad? load, LoadKnown known)
    {
        if (load is null || load.Kind == LoadKind.Lift)
        {
            return None;
        }

        var sense = SenseOf(load);
        LoadEffect Slower(double percent, bool measured) => new(sense, Math.Max(0, 1 - (percent / 100)), measured);
        return load switch
        {
            { Unit: LoadUnit.PercentSpeed } => new(load.Amount < 0 ? LoadSense.Resisted : load.Amount > 0 ? sense == LoadSense.Resisted ? LoadSense.Resisted : LoadSense.Assisted : sense, 1 + (load.Amount / 100), true),
            { Kind: LoadKind.Uphill or LoadKind.Downhill, Unit: LoadUnit.Degree or LoadUnit.PercentGrade } => Slower(Slope.DecrementOf(known, Grade(load)), true),
            { Kind: LoadKind.Vest } when Kilograms(load, known.BodyKilograms) is { } worn => new(sense, 1 - (0.5 * worn / (known.BodyKilograms + worn)), true),
            { Kind: LoadKind.Sled or LoadKind.Chain } when Kilograms(load, known.BodyKilograms) is { } dragged => Slower(known.DecrementAt(dragged), true),
            _ when LoadAim.Of(load) is { } aim => Slower(aim.Usual, true),
            _ when known.Costs.TryGetValue(CostKey(load), out var cost) => Slower(cost.Decrement, true),
            _ => Slower(UsualDecrement(load), false),
        };
    }

    /// <summary>Under which the cost of kit without a mass is kept: what it is and how strong.</summary>
    /// <param name="load">The load.</param>
    public static string CostKey(LineLoad load) => (load.Unit == LoadUnit.None ? $"{load.Kind}" : $"{load.Kind}{load.Unit}").ToLowerInvariant();

    /// <summary>Kit without a mass that tells what it costs, so that runs with and without it have to, as its key begins.</summary>
    public static IReadOnlyList<string> Learnt { get; } = [.. new[] { LoadKind.Band, LoadKind.Chain, LoadKind.Parachute, LoadKind.Partner }.Select(k => $"{k}".ToLowerInvariant())];

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
        LoadUnit.Kilogram => load.Amount * load.Pieces,
        LoadUnit.Pound => Figures.KilogramsFrom(load.Amount, MassReading.Pound) * load.Pieces,
        LoadUnit.PercentBodyMass => load.Amount / 100 * bodyKilograms,
        _ => null,
    };

    private static double Grade(LineLoad load) => (load.Unit == LoadUnit.Degree ? Slope.GradeOf(load.Amount) : load.Amount) * (load.Kind == LoadKind.Downhill ? -1 : 1);

    // Percent slower (negative quicker) where no figure is said (common practice).
    private static double UsualDecrement(LineLoad load) => (load.Kind, load.Unit) switch
    {
        (LoadKind.Sled or LoadKind.Chain, LoadUnit.Light) => 8,
        (LoadKind.Sled or LoadKind.Chain, LoadUnit.Heavy) => 40,
        (LoadKind.Sled or LoadKind.Chain, _) => 15,
        (LoadKind.Band or LoadKind.Partner, LoadUnit.Light) => 5,
        (LoadKind.Band or LoadKind.Partner, LoadUnit.Heavy) => 25,
        (LoadKind.Band or LoadKind.Partner, _) => 12,
        (LoadKind.Uphill, _) => 9,
        (LoadKind.Downhill, _) => -4,
        (LoadKind.Tow, _) => -4,
        (LoadKind.Vest, _) => 3,
        _ => 5,
    };
}
