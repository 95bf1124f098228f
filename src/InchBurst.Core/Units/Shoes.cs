namespace InchBurst.Core.Units;

/// <summary>What is worn on the feet. Times in spikes and in flat shoes are never one list.</summary>
public enum Shoes
{
    /// <summary>Nobody has said.</summary>
    Unsaid,

    /// <summary>Running spikes.</summary>
    Spikes,

    /// <summary>Flat running shoes.</summary>
    Flats,

    /// <summary>Boots with studs.</summary>
    Studs,

    /// <summary>Court or hall shoes.</summary>
    Court,

    /// <summary>Bare feet.</summary>
    Barefoot,
}
