using InchBurst.Core.Catalogue;
using InchBurst.Core.Live;

namespace InchBurst.Core.Plan;

/// <summary>The kinds of work in a speed session, in the order a session usually runs.</summary>
public enum WorkKind
{
    /// <summary>Raising the pulse: easy movement at the start of a warm-up.</summary>
    Raise,

    /// <summary>Activation and mobility work.</summary>
    Mobilise,

    /// <summary>Technique drills.</summary>
    Drill,

    /// <summary>Acceleration runs and build-ups.</summary>
    Acceleration,

    /// <summary>Runs at or near top speed.</summary>
    MaxVelocity,

    /// <summary>Runs against a load: sled, hill, band, parachute.</summary>
    Resisted,

    /// <summary>Runs with help: towed, downhill.</summary>
    Assisted,

    /// <summary>Jumps and throws.</summary>
    Jumps,

    /// <summary>Strength work paired with running.</summary>
    Strength,

    /// <summary>Slowing down and changing direction.</summary>
    Turn,

    /// <summary>Conditioning.</summary>
    Conditioning,

    /// <summary>Cool-down.</summary>
    CoolDown,
}

/// <summary>Names of the kinds of work. A kind is a label for people: drawn, filtered and summed, never a condition of a rule.</summary>
public static class WorkKinds
{
    /// <summary>All kinds in session order.</summary>
    public static IReadOnlyList<WorkKind> All { get; } = Enum.GetValues<WorkKind>();

    /// <summary>The kind's name as a coach says it.</summary>
    /// <param name="kind">The kind.</param>
    public static string Name(this WorkKind kind) => kind switch
    {
        WorkKind.Raise => "Raise",
        WorkKind.Mobilise => "Activate and mobilise",
        WorkKind.Drill => "Drills",
        WorkKind.Acceleration => "Acceleration",
        WorkKind.MaxVelocity => "Max velocity",
        WorkKind.Resisted => "Resisted",
        WorkKind.Assisted => "Assisted",
        WorkKind.Jumps => "Jumps and throws",
        WorkKind.Strength => "Strength",
        WorkKind.Turn => "Turn and slow down",
        WorkKind.Conditioning => "Conditioning",
        _ => "Cool-down",
    };

    /// <summary>The word that names the kind in shorthand after "as".</summary>
    /// <param name="kind">The kind.</param>
    public static string Word(this WorkKind kind) => kind switch
    {
        WorkKind.MaxVelocity => "max-velocity",
        WorkKind.CoolDown => "cool-down",
        _ => kind.ToString().ToLowerInvariant(),
    };
}
