using InchBurst.Core.Units;

namespace InchBurst.Core.Plan;

/// <summary>How a run begins.</summary>
public enum StartPosition
{
    /// <summary>Standing, split stance.</summary>
    Standing,

    /// <summary>Three-point.</summary>
    ThreePoint,

    /// <summary>Four-point.</summary>
    FourPoint,

    /// <summary>Starting blocks.</summary>
    Blocks,

    /// <summary>Falling start.</summary>
    Falling,

    /// <summary>Half-kneeling.</summary>
    HalfKneeling,

    /// <summary>Kneeling.</summary>
    Kneeling,

    /// <summary>Lying on the front.</summary>
    Prone,

    /// <summary>Side-on.</summary>
    Lateral,

    /// <summary>Already moving when the run begins.</summary>
    Moving,
}

/// <summary>A start, with its side and, for a moving start, its run-in.</summary>
/// <param name="Position">Position.</param>
/// <param name="Side">Front or leading side, if said.</param>
/// <param name="RunIn">Distance already moving before the start, for a moving start.</param>
public sealed record LineStart(StartPosition Position, Side? Side = null, Distance? RunIn = null);
