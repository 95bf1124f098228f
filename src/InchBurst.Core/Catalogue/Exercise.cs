using InchBurst.Core.Plan;

namespace InchBurst.Core.Catalogue;

/// <summary>What an exercise's dose counts.</summary>
public enum CountedIn
{
    /// <summary>Metres travelled.</summary>
    Metres,

    /// <summary>Seconds.</summary>
    Seconds,

    /// <summary>Repetitions.</summary>
    Reps,

    /// <summary>Passes of a course.</summary>
    Passes,
}

/// <summary>An exercise of the catalogue.</summary>
public sealed record Exercise
{
    /// <summary>Name as a coach says it, unique in the catalogue whatever the case.</summary>
    public required string Name { get; init; }

    /// <summary>Other names it is typed by.</summary>
    public IReadOnlyList<string> Also { get; init; } = [];

    /// <summary>Kind of work.</summary>
    public required WorkKind Kind { get; init; }

    /// <summary>Family within the kind: a warm-up stage (raise, activate, mobilise, potentiate) or such as "upright running".</summary>
    public required string Family { get; init; }

    /// <summary>What its dose counts.</summary>
    public required CountedIn Counted { get; init; }

    /// <summary>Usual dose in shorthand, such as "2 x 15 m".</summary>
    public required string Dose { get; init; }

    /// <summary>Usual effort in percent, 1 to 110.</summary>
    public required double Effort { get; init; }

    /// <summary>What the body does; null where a club's own exercise, stored by an older program, does not say.</summary>
    public Motion? Movement { get; init; }

    /// <summary>The load that belongs to it where a line names none; null for free work.</summary>
    public LineLoad? Load { get; init; }

    /// <summary>What the body does: as said, or as what it counts and where it stands in the catalogue make likely.</summary>
    public Motion Does => Movement ?? Counted switch
    {
        CountedIn.Metres => Kind switch
        {
            WorkKind.Jumps => Motion.Bound,
            WorkKind.Raise => Motion.Jog,
            WorkKind.Mobilise or WorkKind.CoolDown => Motion.Walk,
            WorkKind.Drill => Motion.Skip,
            _ => Motion.Sprint,
        },
        CountedIn.Passes => Motion.Sprint,
        CountedIn.Reps => Kind switch
        {
            WorkKind.Jumps => Motion.Jump,
            WorkKind.Strength => Motion.Lift,
            _ => Motion.OnTheSpot,
        },
        _ => Kind switch
        {
            WorkKind.Raise => Motion.Jog,
            WorkKind.CoolDown => Motion.Walk,
            WorkKind.Strength => Motion.Hold,
            _ => Motion.OnTheSpot,
        },
    };

    /// <summary>The load of a line of this exercise where the line names none: its own, or an unsaid one for what was stored as resisted or assisted without it.</summary>
    public LineLoad? UsualLoad => Load ?? (Movement is null ? Kind switch
    {
        WorkKind.Resisted => new LineLoad(LoadKind.Sled, 0, LoadUnit.None),
        WorkKind.Assisted => new LineLoad(LoadKind.Tow, 0, LoadUnit.None),
        _ => null,
    } : null);

    /// <summary>True when left and right are done and counted apart.</summary>
    public bool EachSide { get; init; }

    /// <summary>Ground contacts: for one repetition or pass, or for each 10 m; 0 when they do not matter.</summary>
    public double Contacts { get; init; }

    /// <summary>True when its ground contacts are short and stiff, false for long ones.</summary>
    public bool ShortContact { get; init; }

    /// <summary>Seconds one repetition or pass takes, 0.3 to 60.</summary>
    public double SecondsEach { get; init; } = 2;

    /// <summary>Kit needed.</summary>
    public IReadOnlyList<string> Kit { get; init; } = [];

    /// <summary>Coaching points.</summary>
    public IReadOnlyList<string> Points { get; init; } = [];

    /// <summary>Usual faults.</summary>
    public IReadOnlyList<string> Faults { get; init; } = [];

    /// <summary>What it is for, in one sentence an athlete understands.</summary>
    public required string For { get; init; }

    /// <summary>Name of the next easier exercise, or null; where it is not said the catalogue finds it from the others' <see cref="Harder"/>, and the other way round.</summary>
    public string? Easier { get; init; }

    /// <summary>Name of the next harder exercise, or null.</summary>
    public string? Harder { get; init; }

    /// <summary>Cautions.</summary>
    public IReadOnlyList<string> Cautions { get; init; } = [];

    /// <summary>Body regions it prepares: hips, hamstrings, adductors, upper back, calves, trunk, shoulders.</summary>
    public IReadOnlyList<string> Covers { get; init; } = [];

    /// <summary>The body regions there are.</summary>
    public static IReadOnlyList<string> Regions { get; } = ["hips", "hamstrings", "adductors", "upper back", "calves", "trunk", "shoulders"];

    /// <summary>The positions it is drawn by, in the order they are passed through: names, or rows of a coach's own; empty where none shows it.</summary>
    public IReadOnlyList<string> Poses { get; init; } = [];

    /// <summary>What is drawn beside the body: wall, hurdle, box, bar, ball, sled, band, slope, and a chevron for each switch.</summary>
    public IReadOnlyList<string> Props { get; init; } = [];

    /// <summary>True when stopping or turning is what it teaches.</summary>
    public bool Stops { get; init; }

    /// <summary>True when it is a long static hold, which belongs after the session.</summary>
    public bool StaticHold { get; init; }
}
