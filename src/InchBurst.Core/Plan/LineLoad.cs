namespace InchBurst.Core.Plan;

/// <summary>What helps or hinders.</summary>
public enum LoadKind
{
    /// <summary>Sled pulled.</summary>
    Sled,

    /// <summary>Chain dragged.</summary>
    Chain,

    /// <summary>Parachute.</summary>
    Parachute,

    /// <summary>Band held back by a partner.</summary>
    Band,

    /// <summary>Weighted vest.</summary>
    Vest,

    /// <summary>Uphill.</summary>
    Uphill,

    /// <summary>Downhill.</summary>
    Downhill,

    /// <summary>Towed by a band or partner.</summary>
    Tow,

    /// <summary>Share of the most that can be lifted once.</summary>
    Lift,

    /// <summary>Held back by a partner's hands or a strap.</summary>
    Partner,
}

/// <summary>What a load's amount counts.</summary>
public enum LoadUnit
{
    /// <summary>No amount said.</summary>
    None,

    /// <summary>Kilograms.</summary>
    Kilogram,

    /// <summary>Pounds.</summary>
    Pound,

    /// <summary>Percent of body mass.</summary>
    PercentBodyMass,

    /// <summary>Percent change of free speed (negative is slower).</summary>
    PercentSpeed,

    /// <summary>Percent grade of a slope.</summary>
    PercentGrade,

    /// <summary>Degrees of a slope.</summary>
    Degree,

    /// <summary>Percent of the one-repetition maximum.</summary>
    PercentMaximum,

    /// <summary>Light band.</summary>
    Light,

    /// <summary>Medium band.</summary>
    Medium,

    /// <summary>Heavy band.</summary>
    Heavy,

    /// <summary>So light that the movement stays the same.</summary>
    KeepMovement,

    /// <summary>25 to 35% slower.</summary>
    StrongPush,

    /// <summary>About half of free speed, where power is highest.</summary>
    MostPower,

    /// <summary>Slower than half of free speed, for starts.</summary>
    HeavyStart,
}

/// <summary>A load on a line.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Amount">How much, in <paramref name="Unit"/>; 0 where no amount is said.</param>
/// <param name="Unit">What the amount counts.</param>
public sealed record LineLoad(LoadKind Kind, double Amount, LoadUnit Unit)
{
    /// <summary>The lightest where a range was written; <see cref="Amount"/> is the heaviest. Null without a range.</summary>
    public double? Least { get; init; }

    /// <summary>How many of them: two dumbbells of so much each. 1 to 4.</summary>
    public int Pieces { get; init; } = 1;

    /// <summary>Of a lift, the share of what can be lifted once that it stands for, percent: as written, or what heavy, medium and light usually mean (common practice); null for kilograms.</summary>
    [System.Text.Json.Serialization.JsonIgnore]
    public double? ShareOfMaximum => Unit switch
    {
        LoadUnit.PercentMaximum => Amount,
        LoadUnit.Heavy => 85,
        LoadUnit.Medium => 75,
        LoadUnit.Light => 60,
        _ => null,
    };
}
