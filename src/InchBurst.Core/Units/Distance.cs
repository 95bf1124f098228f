using System.Globalization;

namespace InchBurst.Core.Units;

/// <summary>The units coaches set distances in. One yard is 0.9144 m and one foot 0.3048 m exactly (definition of 1959).</summary>
public enum DistanceUnit
{
    /// <summary>Metres.</summary>
    Metre,

    /// <summary>Yards of 0.9144 m.</summary>
    Yard,

    /// <summary>Feet of 0.3048 m.</summary>
    Foot,
}

/// <summary>A distance that remembers the unit it was written in, so that 40 yd stays 40 yd on paper while all arithmetic is in metres.</summary>
/// <param name="Amount">Number as written, in <paramref name="Unit"/>; finite and not negative.</param>
/// <param name="Unit">Unit it was written in.</param>
public readonly record struct Distance(double Amount, DistanceUnit Unit) : IComparable<Distance>
{
    private const double MetresAYard = 0.9144;
    private const double MetresAFoot = 0.3048;

    /// <summary>Length in metres.</summary>
    public double Metres => Unit switch
    {
        DistanceUnit.Yard => Amount * MetresAYard,
        DistanceUnit.Foot => Amount * MetresAFoot,
        _ => Amount,
    };

    /// <summary>Length in whole millimetres: the key under which marks at the same place are the same mark.</summary>
    public int Millimetres => (int)Math.Round(Metres * 1000);

    /// <summary>The unit's short name: m, yd or ft.</summary>
    public string Symbol => SymbolOf(Unit);

    /// <summary>A distance in metres.</summary>
    /// <param name="metres">Metres, finite and not negative.</param>
    public static Distance InMetres(double metres) => new(metres, DistanceUnit.Metre);

    /// <summary>The short name of a unit: m, yd or ft.</summary>
    /// <param name="unit">The unit.</param>
    public static string SymbolOf(DistanceUnit unit) => unit switch
    {
        DistanceUnit.Yard => "yd",
        DistanceUnit.Foot => "ft",
        _ => "m",
    };

    /// <summary>The same length written in another unit.</summary>
    /// <param name="unit">Unit to write it in.</param>
    public Distance To(DistanceUnit unit) => unit == Unit ? this : unit switch
    {
        DistanceUnit.Yard => new(Metres / MetresAYard, unit),
        DistanceUnit.Foot => new(Metres / MetresAFoot, unit),
        _ => new(Metres, unit),
    };

    /// <inheritdoc/>
    public int CompareTo(Distance other) => Metres.CompareTo(other.Metres);

    /// <summary>Number and unit, such as "36.5 m" or "40 yd"; at most two decimals.</summary>
    public override string ToString() => Amount.ToString("0.##", CultureInfo.InvariantCulture) + " " + Symbol;
}
