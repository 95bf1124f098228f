using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Live;

/// <summary>What a device asks of a running session.</summary>
/// <param name="Verb">What kind it is.</param>
public abstract record LiveCommand(LiveVerb Verb)
{
    /// <summary>Made by the device, so that sending twice does it once; a rep always has one, and what is never sent twice may have none (empty).</summary>
    public Guid Client { get; init; }

    /// <summary>When it was made on the device, UTC; null means now.</summary>
    public DateTime? At { get; init; }
}

/// <summary>A rep of an athlete on a line.</summary>
/// <param name="Verb">Save or outcome.</param>
/// <param name="Athlete">Number of the athlete.</param>
/// <param name="Line">Number of the line.</param>
public abstract record RepCommand(LiveVerb Verb, int Athlete, int Line) : LiveCommand(Verb)
{
    /// <summary>The rep as the device saw it, from 1; null takes the next.</summary>
    public int? Rep { get; init; }

    /// <summary>Side of a one-sided rep.</summary>
    public Side? Side { get; init; }

    /// <summary>Number of the gates' report it was made from, or null when it was typed.</summary>
    public int? Gate { get; init; }

    /// <summary>What was seen, by code or in own words.</summary>
    public IReadOnlyList<string> Seen { get; init; } = [];
}

/// <summary>Figures typed for a rep.</summary>
public sealed record SaveRep(int Athlete, int Line) : RepCommand(LiveVerb.Save, Athlete, Line)
{
    /// <summary>Times as typed, one a mark.</summary>
    public IReadOnlyList<string> Marks { get; init; } = [];

    /// <summary>Other figures as typed, in the order the line asks for them.</summary>
    public IReadOnlyList<string> Measures { get; init; } = [];

    /// <summary>Load really taken, as typed; empty when it was the one the line gives.</summary>
    public string Load { get; init; } = "";

    /// <summary>Why figures are missing.</summary>
    public PartFilled Part { get; init; }

    /// <summary>True when somebody said that unlikely figures are right.</summary>
    public bool Overrule { get; init; }

    /// <summary>What the stopwatch of a start was counted from; none where the times are not of one.</summary>
    public WatchFrom Watch { get; init; }

    /// <summary>From the go to the first movement in s, below zero before it; null where nothing told of it.</summary>
    public double? Reaction { get; init; }
}

/// <summary>A rep without a figure: no time, again, skipped.</summary>
public sealed record RepOutcome(int Athlete, int Line, RunOutcome What) : RepCommand(LiveVerb.Outcome, Athlete, Line);

/// <summary>Something seen on a run, or not after all.</summary>
public sealed record NoteSeen(long Run, string Code, bool On = true) : LiveCommand(LiveVerb.Seen);

/// <summary>What stands for a rep that was read twice: a reading by its number, "mean", or "two" when they were two runs.</summary>
public sealed record PickReading(long Run, string What) : LiveCommand(LiveVerb.Pick);

/// <summary>A report of the gates that is no run of this line.</summary>
public sealed record DismissGate(int Gate) : LiveCommand(LiveVerb.NotThis);

/// <summary>Who goes next.</summary>
public sealed record CallAthlete(int Athlete) : LiveCommand(LiveVerb.Call);

/// <summary>Which line is on, and which round of its block.</summary>
public sealed record GoToLine(int Line, int Round = 1) : LiveCommand(LiveVerb.Line);

/// <summary>Done for today.</summary>
public sealed record StopForToday(int Athlete, string? Reason) : LiveCommand(LiveVerb.Done);

/// <summary>Going on after that.</summary>
public sealed record GoOn(int Athlete) : LiveCommand(LiveVerb.Return);

/// <summary>Somebody who comes late.</summary>
public sealed record Arrive(int Athlete) : LiveCommand(LiveVerb.Arrive);

/// <summary>To the end of the order.</summary>
public sealed record GoLater(int Athlete) : LiveCommand(LiveVerb.Later);

/// <summary>Another drill while a line is on; without words, back to the line.</summary>
public sealed record DoOther(int Athlete, int Line, string? Work) : LiveCommand(LiveVerb.Other);

/// <summary>Pain: no full efforts.</summary>
public sealed record HoldBack(int Athlete, string? Reason) : LiveCommand(LiveVerb.Hold);

/// <summary>Full efforts allowed again, for what was noted up to <paramref name="Holds"/> times and nothing since.</summary>
public sealed record AllowFull(int Athlete, string? Who, int Holds) : LiveCommand(LiveVerb.Allow);

/// <summary>How a line is timed.</summary>
/// <param name="Line">Number of the line.</param>
/// <param name="Method">How.</param>
/// <param name="Trigger">What starts the clock.</param>
/// <param name="Entry">How times are typed.</param>
/// <param name="Behind">Distance from the start line to the first gate in m, 0 to 5, as typed; empty when nobody has measured it.</param>
public sealed record SetTiming(int Line, TimingMethod Method, StartTrigger Trigger, EntryMode Entry, string? Behind) : LiveCommand(LiveVerb.Timing);

/// <summary>A rep more or less for everyone.</summary>
public sealed record ChangeReps(int Line, int By) : LiveCommand(LiveVerb.Reps);

/// <summary>A change of the plan that fits the time.</summary>
/// <param name="Plan">The plan with it.</param>
/// <param name="Lanes">Lanes with it.</param>
/// <param name="Said">What it does, in a coach's words.</param>
public sealed record TakeOffer(SessionPlan Plan, int Lanes, string Said) : LiveCommand(LiveVerb.Offer);

/// <summary>A run, or one's own reading of it, out of the book or back into it.</summary>
/// <param name="Run">Number of the run.</param>
/// <param name="Back">True to put back.</param>
/// <param name="Reading">Number of the reading to put back, or null for the run.</param>
public sealed record UndoRun(long Run, bool Back = false, long? Reading = null) : LiveCommand(LiveVerb.Undo);

/// <summary>Other marks for a run.</summary>
public sealed record CorrectRun(long Run, IReadOnlyList<LoggedMark> Marks) : LiveCommand(LiveVerb.Correct);

/// <summary>Times of a run read off its film, as one more reading of it: gates go before it, and it before a watch.</summary>
/// <param name="Run">Number of the run.</param>
/// <param name="Marks">Marks that were passed, at least one with a time.</param>
/// <param name="Trigger">What its clock was started by: the first line, or the zone's where nothing was seen of the start.</param>
public sealed record ReadFilm(long Run, IReadOnlyList<LoggedMark> Marks, StartTrigger Trigger) : LiveCommand(LiveVerb.Correct);

/// <summary>A run to the athlete who ran it.</summary>
public sealed record MoveRun(long Run, int Athlete) : LiveCommand(LiveVerb.Correct);

/// <summary>The athletes of two runs swapped, as when two went in the other order.</summary>
public sealed record SwapRuns(long Run, long Other) : LiveCommand(LiveVerb.Correct);

/// <summary>The clock begins.</summary>
/// <param name="Here">Everybody of the squad with whether they are here; empty leaves it as it is.</param>
public sealed record StartSession(IReadOnlyList<(int Athlete, string Name, bool Present)> Here) : LiveCommand(LiveVerb.Start);

/// <summary>The session ends.</summary>
public sealed record EndSession() : LiveCommand(LiveVerb.End);

/// <summary>An ended session is opened again.</summary>
public sealed record ReopenSession() : LiveCommand(LiveVerb.Reopen);

/// <summary>What is known of an athlete when figures are judged.</summary>
/// <param name="BestSpeed">Best flying speed in m/s, or null.</param>
/// <param name="Ranges">What the athlete took for stretches of the line in runs of its trial.</param>
public sealed record EntryFacts(double? BestSpeed, IReadOnlyList<StretchRange> Ranges)
{
    /// <summary>Nothing.</summary>
    public static EntryFacts None { get; } = new(null, []);

    /// <summary>Load the athlete takes on the line, kg; null where it has no mass.</summary>
    public double? LoadKilograms { get; init; }
}

/// <summary>What is outside the session when a command is carried out.</summary>
/// <param name="Now">The time, UTC.</param>
/// <param name="By">Who asks.</param>
/// <param name="IsCoach">True for coaches and owners.</param>
/// <param name="Catalogue">Exercises.</param>
public sealed record LiveWorld(DateTime Now, string By, bool IsCoach, ExerciseCatalogue Catalogue)
{
    /// <summary>What is known of the athlete the command is about.</summary>
    public EntryFacts Facts { get; init; } = EntryFacts.None;

    /// <summary>Unit of lengths typed without one.</summary>
    public DistanceUnit DistanceUnit { get; init; }

    /// <summary>Unit of masses typed without one.</summary>
    public MassReading MassUnit { get; init; }

    /// <summary>True when another session has a rep under the number that the command gives its own.</summary>
    public bool IsTaken { get; init; }
}

/// <summary>What became of a command.</summary>
public enum LiveAnswer
{
    /// <summary>Carried out.</summary>
    Stored,

    /// <summary>It was carried out before; nothing changed.</summary>
    Known,

    /// <summary>Something is unlikely: it waits for a word.</summary>
    Asked,

    /// <summary>It cannot be so.</summary>
    Refused,

    /// <summary>What it is about is not there.</summary>
    Missing,

    /// <summary>Not for whoever asked, or not now.</summary>
    Forbidden,
}

/// <summary>What a command leaves behind besides the session.</summary>
public abstract record LiveEvent;

/// <summary>A run's marks or athlete were changed; what it said before is kept.</summary>
public sealed record RunRewritten(Guid Run, string Before) : LiveEvent;

/// <summary>Pain was noted, which outlasts the session.</summary>
public sealed record PainNoted(int Athlete, string Reason) : LiveEvent;

/// <summary>A session after a command.</summary>
/// <param name="State">The session; the same as before unless the command was carried out.</param>
/// <param name="Answer">What became of it.</param>
public sealed record LiveStep(LiveState State, LiveAnswer Answer)
{
    /// <summary>What it leaves behind.</summary>
    public IReadOnlyList<LiveEvent> Events { get; init; } = [];

    /// <summary>What is odd about the figures.</summary>
    public IReadOnlyList<MarkDoubt> Doubts { get; init; } = [];

    /// <summary>Figures as they were read, one text a mark.</summary>
    public IReadOnlyList<string> Texts { get; init; } = [];

    /// <summary>What was done, or why not, in a coach's words; null when the screen shows it anyhow.</summary>
    public string? Said { get; init; }

    /// <summary>The run it is about.</summary>
    public Guid? Run { get; init; }

    /// <summary>The reading that was taken back, by its number.</summary>
    public long? Reading { get; init; }
}
