using System.Text.Json.Serialization;
using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Live;

/// <summary>How far a session has got.</summary>
public enum SessionState
{
    /// <summary>Planned; its clock has not begun.</summary>
    Planned,

    /// <summary>The clock runs.</summary>
    Running,

    /// <summary>Over.</summary>
    Ended,
}

/// <summary>An athlete of a session: whether here, in what order, and what keeps them out.</summary>
/// <param name="AthleteId">Number of the athlete.</param>
/// <param name="Name">Name.</param>
/// <param name="Order">Place in the day's order.</param>
public sealed record LivePerson(int AthleteId, string Name, int Order)
{
    /// <summary>True when here.</summary>
    public bool Present { get; init; }

    /// <summary>Why the athlete stopped for today, or null while still going.</summary>
    public string? DoneReason { get; init; }

    /// <summary>What hurts, or null: keeps the athlete from full efforts until somebody says who allowed them again.</summary>
    public string? HeldReason { get; init; }

    /// <summary>How often pain was noted in this session, so that what was allowed before does not cover what came after.</summary>
    public int Holds { get; init; }

    /// <summary>Who allowed full efforts again, in the words typed; empty while nobody has.</summary>
    public string AllowedBy { get; init; } = "";

    /// <summary>What the athlete does instead of the line in <see cref="OtherWorkLineId"/>, or null.</summary>
    public string? OtherWork { get; init; }

    /// <summary>The line that other work stands in for.</summary>
    public int? OtherWorkLineId { get; init; }
}

/// <summary>One person's reading of a rep.</summary>
/// <param name="Id">Made by the device that sent it.</param>
/// <param name="By">Who read it.</param>
/// <param name="Method">How it was timed.</param>
/// <param name="Trigger">What started the clock.</param>
/// <param name="Marks">Marks in rising order; none for "no time".</param>
/// <param name="At">When the run ended, as that device had it.</param>
public sealed record LiveReading(Guid Id, string By, TimingMethod Method, StartTrigger Trigger, IReadOnlyList<LoggedMark> Marks, DateTime At)
{
    /// <summary>Number in the book; 0 until it is there.</summary>
    public long Number { get; init; }

    /// <summary>True when whoever read it took it back.</summary>
    public bool IsTakenBack { get; init; }

    /// <summary>As readings are combined.</summary>
    public Reading Reading => new(By, Method, Trigger, Marks, At);
}

/// <summary>A run of a session with all that was read, seen and measured of it.</summary>
public sealed record LiveRun
{
    /// <summary>What <see cref="Picked"/> holds when marks were typed anew.</summary>
    public const string Corrected = "corrected";

    /// <summary>Made by the device that logged it, so that sending twice stores once.</summary>
    public required Guid Id { get; init; }

    /// <summary>Number in the book; 0 until it is there.</summary>
    public long Number { get; init; }

    /// <summary>Number of the athlete.</summary>
    public required int AthleteId { get; init; }

    /// <summary>Number of the line.</summary>
    public required int LineId { get; init; }

    /// <summary>Which rep of the line it is for this athlete, from 1; 0 for a run that does not count.</summary>
    public int Rep { get; init; }

    /// <summary>What came of it.</summary>
    public required RunOutcome Outcome { get; init; }

    /// <summary>When it ended.</summary>
    public required DateTime FinishedAt { get; init; }

    /// <summary>The run as it is compared.</summary>
    public required LoggedRun What { get; init; }

    /// <summary>Why a person must choose between readings of this rep, or null.</summary>
    public string? Conflict { get; init; }

    /// <summary>Which reading stands when somebody picked one: its number, "mean", or <see cref="Corrected"/>; empty while nobody has.</summary>
    public string Picked { get; init; } = "";

    /// <summary>Who logged it.</summary>
    public string By { get; init; } = "";

    /// <summary>True when it was taken back.</summary>
    public bool IsTakenBack { get; init; }

    /// <summary>Readings in the order they came; none while there is only the run itself.</summary>
    public IReadOnlyList<LiveReading> Readings { get; init; } = [];

    /// <summary>What was seen, by code or in the coach's own words.</summary>
    public IReadOnlyList<string> Seen { get; init; } = [];

    /// <summary>Heights, lengths, loads, heart rates.</summary>
    public IReadOnlyList<Measured> Measures { get; init; } = [];

    /// <summary>Readings that say something and have not been taken back, in the order they came.</summary>
    [JsonIgnore]
    public IReadOnlyList<LiveReading> Told => [.. Readings.Where(r => !r.IsTakenBack && r.Marks.Count > 0)];

    /// <summary>Its marks in words, or "no time".</summary>
    public string MarksText => What.Marks.Count == 0 ? "no time" : string.Join(' ', What.Marks.Select(m => string.Create(System.Globalization.CultureInfo.InvariantCulture, $"{m.Seconds:0.00##} at {m.At}")));
}

/// <summary>A run as timing gates reported it.</summary>
/// <param name="Number">Number in the book.</param>
/// <param name="Lane">Lane the gates stand on, from 1; 0 when they do not say.</param>
/// <param name="Passes">What the gates saw.</param>
/// <param name="UsedFor">The run it became, <see cref="Guid.Empty"/> when it was dismissed, null while it waits.</param>
public sealed record LiveGate(int Number, int Lane, IReadOnlyList<GatePass> Passes, Guid? UsedFor = null)
{
    /// <summary>What was told of the start; null where nothing was.</summary>
    public GateStart? Start { get; init; }
}

/// <summary>A running session as one value: the plan as it is run, who is here and how, what was logged, the line and the clock.</summary>
public sealed record LiveState
{
    /// <summary>The plan as it is run.</summary>
    public required SessionPlan Plan { get; init; }

    /// <summary>Its day.</summary>
    public required DateOnly Day { get; init; }

    /// <summary>How far it has got.</summary>
    public SessionState State { get; init; }

    /// <summary>When the clock began, UTC.</summary>
    public DateTime? StartedAt { get; init; }

    /// <summary>When it ended, UTC.</summary>
    public DateTime? EndedAt { get; init; }

    /// <summary>The line that is on.</summary>
    public int? LineId { get; init; }

    /// <summary>Round of the line's block, from 1.</summary>
    public int Round { get; init; } = 1;

    /// <summary>When the line came on, UTC.</summary>
    public DateTime? LineFrom { get; init; }

    /// <summary>Athlete called to the line, who goes first.</summary>
    public int? Called { get; init; }

    /// <summary>Lanes in use, 1 or more.</summary>
    public int Lanes { get; init; } = 1;

    /// <summary>How a line is timed that was not set itself: as set last.</summary>
    public required LineTiming Usual { get; init; }

    /// <summary>How lines are timed that were set themselves.</summary>
    public IReadOnlyDictionary<int, LineTiming> Timings { get; init; } = new Dictionary<int, LineTiming>();

    /// <summary>Everybody of the session.</summary>
    public IReadOnlyList<LivePerson> People { get; init; } = [];

    /// <summary>Runs, those taken back among them, in the order they came into the book.</summary>
    public IReadOnlyList<LiveRun> Runs { get; init; } = [];

    /// <summary>Reports of timing gates in the order they came.</summary>
    public IReadOnlyList<LiveGate> Gates { get; init; } = [];

    /// <summary>Commands carried out that leave no run behind by which they would be known again.</summary>
    public IReadOnlyCollection<Guid> Done { get; init; } = [];

    /// <summary>How a line is timed.</summary>
    /// <param name="line">Number of the line.</param>
    public LineTiming TimingOf(int line) => Timings.GetValueOrDefault(line, Usual).In(Usual);

    /// <summary>An athlete of the session, or null.</summary>
    /// <param name="athlete">Number of the athlete.</param>
    public LivePerson? Person(int athlete) => People.FirstOrDefault(p => p.AthleteId == athlete);

    /// <summary>A run by its number in the book, or null.</summary>
    /// <param name="number">Number.</param>
    public LiveRun? Run(long number) => Runs.FirstOrDefault(r => r.Number == number);

    /// <summary>Runs of an athlete on a line that stand and count as reps.</summary>
    /// <param name="athlete">Number of the athlete.</param>
    /// <param name="line">Number of the line.</param>
    public IEnumerable<LiveRun> Counted(int athlete, int line) => Runs.Where(r => r.AthleteId == athlete && r.LineId == line && !r.IsTakenBack && r.Outcome != RunOutcome.Again);

    /// <summary>The rep an athlete runs next on a line: the first that has no run yet.</summary>
    /// <param name="athlete">Number of the athlete.</param>
    /// <param name="line">Number of the line.</param>
    /// <param name="but">A run that is passed over.</param>
    public int NextRep(int athlete, int line, Guid? but = null) => FirstOpen(Counted(athlete, line).Where(r => r.Id != but).Select(r => r.Rep));

    /// <summary>The first rep from 1 on that is not taken.</summary>
    /// <param name="taken">Reps that are.</param>
    public static int FirstOpen(IEnumerable<int> taken)
    {
        var used = taken.ToHashSet();
        return Enumerable.Range(1, used.Count + 1).First(n => !used.Contains(n));
    }

    /// <summary>The same with one run changed.</summary>
    /// <param name="run">The run as it is now.</param>
    public LiveState With(LiveRun run) => this with { Runs = [.. Runs.Select(r => r.Id == run.Id ? run : r)] };

    /// <summary>The same with one person changed.</summary>
    /// <param name="person">The person as they are now.</param>
    public LiveState With(LivePerson person) => this with { People = [.. People.Select(p => p.AthleteId == person.AthleteId ? person : p)] };
}
