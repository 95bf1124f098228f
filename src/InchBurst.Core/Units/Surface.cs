namespace InchBurst.Core.Units;

/// <summary>What is run on. Times on different ground are never compared without saying so.</summary>
public enum Surface
{
    /// <summary>Nobody has said.</summary>
    Unsaid,

    /// <summary>Synthetic running track.</summary>
    Track,

    /// <summary>Natural grass.</summary>
    Grass,

    /// <summary>Artificial turf.</summary>
    Turf,

    /// <summary>Indoor sports floor.</summary>
    Hall,

    /// <summary>Asphalt or concrete.</summary>
    Road,

    /// <summary>Sand.</summary>
    Sand,
}
