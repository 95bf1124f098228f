namespace InchBurst.Core.Plan;

/// <summary>Whether an athlete is in full training, by the word of whoever may say so.</summary>
public enum Availability
{
    /// <summary>In full training.</summary>
    Full,

    /// <summary>Trains with limits.</summary>
    Modified,

    /// <summary>Does not train.</summary>
    Out,
}
