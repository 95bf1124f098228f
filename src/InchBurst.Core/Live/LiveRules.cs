namespace InchBurst.Core.Live;

/// <summary>What a device asks of a running session.</summary>
public enum LiveVerb
{
    /// <summary>Times and measures of a rep.</summary>
    Save,

    /// <summary>A rep without a figure: no time, again, skipped, or something seen.</summary>
    Outcome,

    /// <summary>Something seen on a run that is stored.</summary>
    Seen,

    /// <summary>Which of several readings stands.</summary>
    Pick,

    /// <summary>A report of the gates that is no run of this line.</summary>
    NotThis,

    /// <summary>Who goes next.</summary>
    Call,

    /// <summary>Which line is on.</summary>
    Line,

    /// <summary>Done for today.</summary>
    Done,

    /// <summary>Back after that.</summary>
    Return,

    /// <summary>Somebody who comes late.</summary>
    Arrive,

    /// <summary>To the end of the order.</summary>
    Later,

    /// <summary>Another drill instead.</summary>
    Other,

    /// <summary>Pain: no full efforts.</summary>
    Hold,

    /// <summary>Full efforts allowed again.</summary>
    Allow,

    /// <summary>How a line is timed.</summary>
    Timing,

    /// <summary>Reps for everyone.</summary>
    Reps,

    /// <summary>A change of the plan that fits the time.</summary>
    Offer,

    /// <summary>Taking one's own entry back.</summary>
    Undo,

    /// <summary>Other marks, another athlete.</summary>
    Correct,

    /// <summary>The clock begins.</summary>
    Start,

    /// <summary>The session ends.</summary>
    End,

    /// <summary>An ended session is opened again.</summary>
    Reopen,
}

/// <summary>Who may do what to a running session: decided here for each verb, and closed by default.</summary>
public static class LiveRules
{
    /// <summary>True when somebody may do it now.</summary>
    /// <param name="verb">What is asked.</param>
    /// <param name="isCoach">True for coaches and owners, who lead the session; false for timers, who enter what they see.</param>
    /// <param name="endedAt">When the session ended, or null while it has not.</param>
    /// <param name="madeAt">When it was made on the device; what was made before the end and could not be sent is no writing into an ended session.</param>
    public static bool May(LiveVerb verb, bool isCoach, DateTime? endedAt, DateTime madeAt) =>
        isCoach || (IsForTimers(verb) && (endedAt is not { } end || (madeAt <= end && (verb is LiveVerb.Save or LiveVerb.Outcome or LiveVerb.Hold))));

    // Leading the session, and lifting what keeps somebody safe, are not entering times. Anybody may call a halt for pain.
    private static bool IsForTimers(LiveVerb verb) => verb is LiveVerb.Save or LiveVerb.Outcome or LiveVerb.Seen or LiveVerb.Pick or LiveVerb.NotThis or LiveVerb.Call or LiveVerb.Line
        or LiveVerb.Done or LiveVerb.Return or LiveVerb.Arrive or LiveVerb.Later or LiveVerb.Other or LiveVerb.Hold or LiveVerb.Timing or LiveVerb.Undo or LiveVerb.Correct;
}
