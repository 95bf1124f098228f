using InchBurst.Core.Check;
using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Make;
using InchBurst.Core.Plan;
using InchBurst.Core.Progress;
using InchBurst.Core.School;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Drawing;

namespace InchBurst.Web.Support;

/// <summary>A line as a row of the builder.</summary>
public sealed record BuilderRow(PlanLine Line, string Name, string Said, string Print, string Metres, string Time, string Reaches, bool Known)
{
    /// <summary>What the load weighs for those the line is for, and who has no load line; empty where it has no mass.</summary>
    public string Loads { get; init; } = "";

    /// <summary>Where it is written as a range: the day it was done last, and the step that comes next.</summary>
    public (DateOnly Day, StepUp? Step) Step { get; init; }

    /// <summary>What the line is for those it is for, and who has no maximum or test; empty where it asks no share of one.</summary>
    public string Lifts { get; init; } = "";
}

/// <summary>A block as the builder shows it.</summary>
public sealed record BuilderBlock(PlanBlock Block, int Number, IReadOnlyList<BuilderRow> Rows, string Time)
{
    /// <summary>Numbers of lines that others do at the same time as the line before.</summary>
    public IReadOnlySet<int> Together { get; init; } = new HashSet<int>();
}

/// <summary>A typed text with its problem, kept in its field.</summary>
public sealed record TypedLine(string Text, ShorthandProblem? Problem);

/// <summary>What a plan adds up to: sprint metres by kind, kit, and the squad's last four weeks beside it.</summary>
/// <param name="Named">Metres that deserve a name of their own: turning, light and heavy loads, help, bounds.</param>
public sealed record AddsUp(IReadOnlyList<(WorkKind Kind, double Metres)> ByKind, IReadOnlyList<(string Name, double Metres)> Named, IReadOnlyList<string> Kit, double? UsualSprintMetres, int SessionsBefore);

/// <summary>How near an athlete comes to own top speed on a line, and the metres of a rep above 90%.</summary>
public sealed record ReachRow(string Name, double Share, double MetresAbove90, bool Estimated);

/// <summary>What is chosen and what was typed but not kept: the part of the builder that is not stored.</summary>
public sealed record BuilderState(
    int? Line = null,
    int? Block = null,
    TypedLine? Typed = null,
    TypedLine? Edited = null,
    string? Toast = null,
    LineFields? Fields = null,
    IReadOnlyDictionary<string, string>? FieldErrors = null,
    bool KeepFields = false,
    string? Panel = null,
    string? Pasted = null,
    IReadOnlyList<TextProblem>? PasteProblems = null,
    string? BlockError = null);

/// <summary>Everything the builder draws.</summary>
public sealed record BuilderView(
    PlannedSession Planned,
    Club Club,
    IReadOnlyList<Athlete> Athletes,
    SessionTimeline Timeline,
    SessionStrip Strip,
    IReadOnlyList<BuilderBlock> Blocks,
    LineVolume Total,
    double FullSeconds,
    double HardSeconds,
    IReadOnlyList<Finding> Findings,
    int? SelectedLine,
    CoachingSchool School,
    PlanLine? ShownLine,
    RestPicture? Rest,
    AddsUp Adds,
    IReadOnlyList<ReachRow> Reaches,
    ClockItem? ShownItem,
    LaneDrawing? Lane,
    CourseDrawing? Course,
    ClockSetting Setting,
    BuilderState State)
{
    /// <summary>What a line asks of the typical athlete.</summary>
    public LineDemand DemandOf(PlanLine line) => Setting.DemandOf(line);

    public TypedLine Typed => State.Typed ?? new("", null);

    public TypedLine? Edited => State.Edited;

    public string? Toast => State.Toast;

    public PlanBlock? SelectedBlock => State.Block is { } id ? Planned.Plan.Blocks.FirstOrDefault(b => b.Id == id) : null;

    public TrainingSession Session => Planned.Session;

    public double WindowSeconds => Session.WindowMinutes * 60;

    /// <summary>How long the session takes: one time, or from the one end of its ranges to the other.</summary>
    public string Takes
    {
        get
        {
            if (!Planned.Plan.HasRanges)
            {
                return Figures.Clock(Timeline.TotalSeconds);
            }

            double[] ends = [Timeline.TotalSeconds, SessionClock.Lay(Planned.Plan.Easier(), Setting).TotalSeconds];
            var (shortest, longest) = (Figures.Clock(ends.Min()), Figures.Clock(ends.Max()));
            return shortest == longest ? longest : $"{shortest}–{longest}";
        }
    }

    public bool IsOver => Timeline.TotalSeconds > WindowSeconds + Limits.WindowSeconds;

    /// <summary>How many are expected: those in training for whom there is something to do.</summary>
    public int Expected { get; init; }

    /// <summary>Maxima of those expected on the lifts the session asks a share of.</summary>
    public LiftBoard Maxima { get; init; } = LiftBoard.Empty;

    /// <summary>Aerobic speeds of those expected, where the session asks a share of them.</summary>
    public IReadOnlyDictionary<int, StandingSpeed> Speeds { get; init; } = new Dictionary<int, StandingSpeed>();

    /// <summary>What a line is for an athlete where it asks a share of their own maximum, body mass or test, in words; null where nothing is known or asked.</summary>
    public string? OwnOf(PlanLine line, Athlete athlete) => Maxima.Find(athlete.Id, line.Exercise)?.BarWords(line.Load, Club.MassUnit)
        ?? (LiftMaximum.OfBody(line.Load, athlete.MassKilograms, Club.MassUnit) is { } bar ? LiftMaximum.Words(bar, Club.MassUnit) : null)
        ?? (Speeds.TryGetValue(athlete.Id, out var speed) ? AerobicPace.Words(line, speed.Speed, Club.DistanceUnit) : null);

    /// <summary>Groups of the coach's own, by athlete.</summary>
    public ILookup<int, string> Own { get; init; } = Array.Empty<(int, string)>().ToLookup(x => x.Item1, x => x.Item2);

    /// <summary>True when a line is for an athlete.</summary>
    public bool IsFor(PlanLine line, Athlete athlete) => BuilderMaker.IsFor(Planned.Plan, line, athlete, Own);
}
