namespace InchBurst.Core.Demand;

/// <summary>Kit that only so many can use at once.</summary>
public enum LimitedKit
{
    /// <summary>Racks for lifting.</summary>
    Rack,

    /// <summary>Places at a wall.</summary>
    Wall,

    /// <summary>Sleds.</summary>
    Sled,

    /// <summary>Rows of hurdles.</summary>
    Hurdles,

    /// <summary>Boxes.</summary>
    Box,
}
