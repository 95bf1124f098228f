namespace InchBurst.Core.Log;

/// <summary>What came of a rep.</summary>
public enum RunOutcome
{
    /// <summary>Timed at marks.</summary>
    Timed,

    /// <summary>Not run; it counts as done.</summary>
    Skipped,

    /// <summary>Run without a time.</summary>
    NotTimed,

    /// <summary>Run but not counted: the rep is run again.</summary>
    Again,

    /// <summary>Done and measured otherwise than by a clock at marks.</summary>
    Measured,
}
