using System.Text.Json.Serialization;

namespace InchBurst.Core.Live;

/// <summary>A command as a device keeps it: the verb and the fields of its form.</summary>
/// <param name="Verb">The verb.</param>
/// <param name="Fields">Names and values.</param>
public sealed record DeviceCommand([property: JsonConverter(typeof(JsonStringEnumConverter<LiveVerb>))] LiveVerb Verb, string[][] Fields)
{
    /// <summary>As Core carries it out, or null.</summary>
    internal LiveCommand? Command => LiveForms.Read(Verb, Fields.Where(f => f.Length == 2).Select(f => new KeyValuePair<string, string>(f[0], f[1])));
}

/// <summary>Somebody in the running order, for drawing.</summary>
/// <param name="Athlete">Number of the athlete.</param>
/// <param name="Rep">Rep to run next.</param>
/// <param name="Ready">When the rest is over, ms since 1970; null with nothing to rest from.</param>
/// <param name="State">State now, in small letters.</param>
/// <param name="Lane">Lane of the next go; 0 for none.</param>
/// <param name="Note">Why out.</param>
/// <param name="Warning">What to mind.</param>
/// <param name="Side">Side of the next rep, or null.</param>
/// <param name="Holds">How often they were held today.</param>
/// <param name="Noted">What was noted on the line: how often something to mend, and whether something good.</param>
public sealed record DeviceRow(int Athlete, int Rep, double? Ready, string State, int Lane, string Note, string Warning, string? Side, int Holds, Noted Noted);

/// <summary>What a time says, for drawing.</summary>
public sealed record DevicePanel(string Name, string Label, string Seconds, string Speed, string SpeedUnit)
{
    /// <summary>Percent of the best, as text; null the first time.</summary>
    public string? Share { get; init; }

    /// <summary>The best it is compared with, as text.</summary>
    public string? Best { get; init; }

    /// <summary>True for a new best.</summary>
    public bool IsBest { get; init; }

    /// <summary>Against the rep before, as text.</summary>
    public string? Change { get; init; }

    /// <summary>What the drop-off says; null with nothing to compare.</summary>
    public string? DropOff { get; init; }

    /// <summary>Why to stop; null while there is no reason.</summary>
    public string? Stop { get; init; }

    /// <summary>The drop-off as a gauge; null with nothing to compare.</summary>
    public DeviceGauge? Gauge { get; init; }

    /// <summary>Each split with its speed, as text; none for a run of one stretch.</summary>
    public IReadOnlyList<string> Splits { get; init; } = [];

    /// <summary>Left against right, as text; null while a side is missing.</summary>
    public string? Sides { get; init; }

    /// <summary>What the time says of the load, or of what the rep was to be done in, as text; null where neither was asked.</summary>
    public string? Load { get; init; }
}

/// <summary>The drop-off of a day's reps, as shares of its best.</summary>
/// <param name="Share">This rep.</param>
/// <param name="Stop">The line at which to stop.</param>
/// <param name="Earlier">The reps before.</param>
public sealed record DeviceGauge(double Share, double Stop, IReadOnlyList<double> Earlier);

/// <summary>The run that was logged or changed last, for drawing.</summary>
/// <param name="Number">Its number in the book.</param>
/// <param name="Athlete">Number of the athlete.</param>
/// <param name="Name">Their name.</param>
/// <param name="Rep">Rep.</param>
/// <param name="Side">Side, in small letters, or null.</param>
/// <param name="What">What became of it, in small letters.</param>
/// <param name="By">Who logged it.</param>
/// <param name="Panel">What its time says, or null.</param>
/// <param name="Measures">Its measures, as text.</param>
/// <param name="Seen">What was seen, in words.</param>
/// <param name="Readings">How many readings of it there are that say something.</param>
/// <param name="Note">What the reading page says of them, or null with one reading.</param>
/// <param name="IsDone">True when the athlete is done for today.</param>
public sealed record DeviceLast(
    long Number, int Athlete, string Name, int Rep, string? Side, string What, string By, DevicePanel? Panel, IReadOnlyList<string> Measures, IReadOnlyList<string> Seen, int Readings, string? Note, bool IsDone);

/// <summary>One of the latest runs, for the list.</summary>
/// <param name="Number">Its number in the book.</param>
/// <param name="Name">Name of the athlete.</param>
/// <param name="Line">Number of the line.</param>
/// <param name="Rep">Rep.</param>
/// <param name="Figures">Its figures, in words.</param>
public sealed record DeviceRun(long Number, string Name, int Line, int Rep, string Figures);

/// <summary>What became of a waiting command on the device.</summary>
/// <param name="Answer">What became of it.</param>
/// <param name="Said">In words, or null.</param>
/// <param name="Panel">What its time says, or null.</param>
public sealed record DeviceAnswer([property: JsonConverter(typeof(JsonStringEnumConverter<LiveAnswer>))] LiveAnswer Answer, string? Said, DevicePanel? Panel);

/// <summary>A session on a device: as the server last told it, with what the device has done since.</summary>
/// <param name="Line">Line shown; 0 for none.</param>
/// <param name="Round">Round of its block.</param>
/// <param name="Reps">Reps of the line.</param>
/// <param name="LineFrom">When it came on, ms since 1970.</param>
/// <param name="Rows">The running order.</param>
/// <param name="Answers">What became of the waiting commands, in their order.</param>
/// <param name="Behind">Seconds behind the plan; null while the session does not run.</param>
/// <param name="Finish">Predicted end from the start, s.</param>
/// <param name="Over">Seconds past the window.</param>
public sealed record DeviceView(int Line, int Round, int Reps, double? LineFrom, IReadOnlyList<DeviceRow> Rows, IReadOnlyList<DeviceAnswer> Answers, double? Behind, double? Finish, double? Over)
{
    /// <summary>The run logged or changed last, or null.</summary>
    public DeviceLast? Last { get; init; }

    /// <summary>The latest ten runs, the last first.</summary>
    public IReadOnlyList<DeviceRun> Latest { get; init; } = [];
}

/// <summary>A doubt about a figure, for drawing.</summary>
public sealed record DeviceDoubt(int Index, string Message, bool IsImpossible, bool IsMissing);

/// <summary>What is to be said of figures while they are typed.</summary>
/// <param name="Doubts">What is odd about them.</param>
/// <param name="Panel">What they say so far; null while they say nothing.</param>
public sealed record DeviceWord(IReadOnlyList<DeviceDoubt> Doubts, DevicePanel? Panel);
