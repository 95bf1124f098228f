using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.Load;
using InchBurst.Core.Log;
using InchBurst.Core.Make;
using InchBurst.Core.Plan;
using InchBurst.Core.Rest;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Drawing;

namespace InchBurst.Web.Support;

/// <summary>A row of the queue.</summary>
public sealed record QueueRow(Athlete Athlete, Attendance Attendance, Turn Turn, string Note, string Warning);

/// <summary>A run the gates reported and what it gives for the line that is on.</summary>
public sealed record GateOffer(GateReading Reading, GateMarks Marks)
{
    /// <summary>What was run longer ago than this came late, and is said to have.</summary>
    public static readonly TimeSpan Late = TimeSpan.FromSeconds(45);
}

/// <summary>A box to type into: a time at a mark or another measure.</summary>
public sealed record EntryBox(string Label, string Unit, bool IsMark, double? ExpectedSeconds, string Typed, MarkDoubt? Doubt);

/// <summary>The run just saved and what it says.</summary>
public sealed record SavedRun(
    Run Run, Athlete Athlete, RunMeaning? Meaning, IReadOnlyList<string> Splits, double? ChangeSeconds, DropOffReading? DropOff, string? Sides, IReadOnlyList<string> Measures, LineTiming Timing)
{
    /// <summary>What the time says of the load, or null.</summary>
    public string? Load { get; init; }
}

/// <summary>What was typed and is not stored yet, with the doubts about it.</summary>
public sealed record TypedEntry(int AthleteId, int? Rep, IReadOnlyList<string> Marks, IReadOnlyList<string> Measures, IReadOnlyList<string> Seen, Side? Side, IReadOnlyList<MarkDoubt> Doubts, PartFilled Part = PartFilled.Unsaid);

/// <summary>What a request wants shown besides the session itself.</summary>
public sealed record LiveAsk(TypedEntry? Typed = null, Guid? ClientId = null, string? Toast = null, long? Undone = null, int? UndoneReading = null, int? LineId = null, int? Round = null, int? Person = null, string? PersonError = null, long? RunId = null, bool ForWho = false, bool IsCoach = false, string? BehindTyped = null);

/// <summary>Everything the trackside screen draws.</summary>
public sealed record LiveView(
    LiveSession Live,
    Club Club,
    IReadOnlyList<Athlete> Squad,
    LinePlace? Place,
    LinePlace? Before,
    LinePlace? After,
    LineDemand? Demand,
    LineTiming Timing,
    LineTurns Turns,
    IReadOnlyList<QueueRow> Queue,
    IReadOnlyList<EntryBox> Boxes,
    LaneDrawing? LaneWide,
    LaneDrawing? LaneNarrow,
    SessionStrip Strip,
    SavedRun? Last,
    Forecast? Forecast,
    IReadOnlyList<FitOffer> Offers,
    IReadOnlyList<string> EarlierCues,
    GateOffer? Gate,
    IReadOnlyList<string> QuickDrills,
    double PlannedSeconds,
    IReadOnlyList<GatesHeard> Gates,
    DateTime Now,
    string Stamp,
    LiveAsk Ask)
{
    /// <summary>Lines that others do at the same time as the one shown.</summary>
    public IReadOnlyList<LiveBeside> Beside { get; init; } = [];

    /// <summary>What a line is for each of those on it where it asks a share of their own maximum or test: kilograms, metres, seconds.</summary>
    public IReadOnlyList<(Athlete Athlete, string Own)> Bars { get; init; } = [];

    /// <summary>Athletes the session is for, asked when who is here is asked.</summary>
    public IReadOnlySet<int> Expected { get; init; } = new HashSet<int>();

    /// <summary>Top-speed clocks of the squad, asked where they are shown: when who is here is asked, and on a line that can make them good.</summary>
    public IReadOnlyDictionary<int, Core.Season.TopSpeedClock> Clocks { get; init; } = new Dictionary<int, Core.Season.TopSpeedClock>();

    /// <summary>Who of those here is due for top speed, with the days, the longest first.</summary>
    public IReadOnlyList<string> Due =>
    [
        .. Live.Attendance.Where(a => a.Present && a.Athlete!.Availability == Core.Plan.Availability.Full && a.HeldReason is null && Clocks.TryGetValue(a.AthleteId, out var clock) && clock.IsDue)
            .OrderByDescending(a => Clocks[a.AthleteId].DaysSince ?? int.MaxValue).Select(a => Short(a.Athlete!.Name) + (Clocks[a.AthleteId].DaysSince is { } days ? $" {days} d" : "")),
    ];

    public LoadCall? Load { get; init; }

    /// <summary>How often the squad was told each thing in the months before, by code.</summary>
    public IReadOnlyDictionary<string, int> Used { get; init; } = new Dictionary<string, int>();

    /// <summary>What an athlete is called where there is little room.</summary>
    public string Short(string name) => (shortNames ??= ShortNames.Of(Live.Attendance.Select(a => a.Athlete!.Name))).GetValueOrDefault(name, name);

    private IReadOnlyDictionary<string, string>? shortNames;

    /// <summary>The steps of a line that everybody does together; none where there are none.</summary>
    public IReadOnlyList<RhythmStep> Rhythm { get; init; } = [];

    /// <summary>What was noted on the line shown, by athlete.</summary>
    public IReadOnlyDictionary<int, Noted> Noted { get; init; } = new Dictionary<int, Noted>();

    /// <summary>Those listed: in the running order, or where nobody waits for a turn by name, with those who are out last.</summary>
    public IReadOnlyList<QueueRow> Rows => Asks ? Queue :
        [.. Queue.OrderBy(q => RunningOrder.Goes(q.Turn.State) || q.Turn.State == TurnState.Finished ? 0 : 1).ThenBy(q => q.Athlete.Name, StringComparer.CurrentCulture)];

    public TrainingSession Session => Live.Session;

    public PlanLine? Line => Place?.Line;

    /// <summary>Where times of the line are expected.</summary>
    public IReadOnlyList<Distance> Marks => Demand is null ? [] : LineMarks.Expected(Demand);

    public TypedEntry? Typed => Ask.Typed;

    public bool Asks => Boxes.Count > 0;

    public double ElapsedSeconds => Session.StartedAt is { } started ? (Now - started).TotalSeconds : 0;

    /// <summary>When the line shown came on, or null when another one is on.</summary>
    public DateTime? LineFrom => Place is { } place && place.Line.Id == Session.CurrentLineId && place.Round == Session.CurrentRound ? Session.LineStartedAt : null;

    public QueueRow? OnLine => Queue.FirstOrDefault(q => q.Athlete.Id == Typed?.AthleteId)
        ?? (Gate is { Reading.Lane: > 0 and var lane } ? Queue.FirstOrDefault(q => q.Turn.Lane == lane) : null)
        ?? Queue.FirstOrDefault(q => RunningOrder.Goes(q.Turn.State));

    /// <summary>Rep that is typed in now: as claimed when it was in doubt, or the next of whoever is on the line.</summary>
    public int Rep => Typed?.Rep ?? OnLine?.Turn.Rep ?? 1;

    /// <summary>Side of the rep that is typed in now, or null when the line has none.</summary>
    public Side? SideNow => Line is null ? null : Typed?.Side ?? Line.SideOfTurn(Rep);

    public IEnumerable<Run> Conflicts => Live.Runs.Where(r => r.Conflict is not null);

    public static string ItemName(PlanLine line) => BuilderMaker.Capital(line.Exercise ?? (line.Shape is RunShape { Fly: { } fly } ? $"Fly {Figures.Number(fly.To - fly.From, 1)}" : line.Kind.Name()));

    /// <summary>The latest ten runs of the session, the last first.</summary>
    public IReadOnlyList<(Run Run, string Name, PlanLine Line, string Figures)> Latest =>
    [
        .. Live.Runs.OrderByDescending(r => r.FinishedAt).ThenByDescending(r => r.Id).Take(10)
            .Select(r => (Run: r, Live.Attendance.FirstOrDefault(a => a.AthleteId == r.AthleteId)?.Athlete?.Name, Line: Live.Plan.Line(r.LineId)))
            .Where(r => r.Name is not null && r.Line is not null)
            .Select(r => (r.Run, r.Name!, r.Line!, LiveEntry.FiguresOf(Live.State.Run(r.Run.Id)!))),
    ];

    /// <summary>What a line is called beside the others of its plan: by its dose too where another has the same name.</summary>
    public static string ItemName(PlanLine line, SessionPlan plan) =>
        plan.Lines.Any(l => l.Id != line.Id && ItemName(l) == ItemName(line)) ? $"{ItemName(line)} {LineWords.DoseText(line)}" : ItemName(line);

    /// <summary>What a place is called beside the others of its plan.</summary>
    public static string PlaceName(LinePlace place, SessionPlan plan) => ItemName(place.Line, plan) + (place.Rounds > 1 ? $", round {place.Round}" : "");
}
