using System.Text.Json.Serialization;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Units;

namespace InchBurst.Core.Plan;

/// <summary>One line of a session plan.</summary>
public sealed record PlanLine
{
    /// <summary>Number that stays with the line while the plan lives; 0 before it joins a plan.</summary>
    public int Id { get; init; }

    /// <summary>Kind of work.</summary>
    public required WorkKind Kind { get; init; }

    /// <summary>Name of the exercise as written; null for a plain run.</summary>
    public string? Exercise { get; init; }

    /// <summary>Sets, 1 to 20.</summary>
    public int Sets { get; init; } = 1;

    /// <summary>Reps a set, 1 to 100.</summary>
    public int Reps { get; init; } = 1;

    /// <summary>Shape of one rep.</summary>
    public required RepShape Shape { get; init; }

    /// <summary>Effort, or null for what is usual for the exercise.</summary>
    public Effort? Effort { get; init; }

    /// <summary>What a rep is to be done in, or null when not said.</summary>
    public LineGoal? Goal { get; init; }

    /// <summary>Start, or null when not said.</summary>
    public LineStart? Start { get; init; }

    /// <summary>Rest, or null when not said.</summary>
    public LineRest? Rest { get; init; }

    /// <summary>Load, or null for free work.</summary>
    public LineLoad? Load { get; init; }

    /// <summary>Where gates stand, from the start line, rising; empty when not said.</summary>
    public IReadOnlyList<Distance> Gates { get; init; } = [];

    /// <summary>How far past the last mark to run through, or null.</summary>
    public Distance? Through { get; init; }

    /// <summary>True when each rep is done once on each side.</summary>
    public bool EachSide { get; init; }

    /// <summary>True when the group goes in waves, one close behind another, instead of one athlete a lane.</summary>
    public bool InWaves { get; init; }

    /// <summary>What is written down for each go besides what the gates say; empty when nothing is asked for.</summary>
    public IReadOnlyList<MeasureKind> Log { get; init; } = [];

    /// <summary>Heart rates to stay within, or null where none are said.</summary>
    public HeartBand? HeartRate { get; init; }

    /// <summary>Whom the line is for: "high minutes", "low minutes", names, or "others": those the line before it is not for. Empty means everyone.</summary>
    public IReadOnlyList<string> For { get; init; } = [];

    /// <summary>What the athlete is told before the run, or null.</summary>
    public string? Cue { get; init; }

    /// <summary>The easier end where a range was written; the line itself is the harder one, by which it is judged. Null without a range.</summary>
    public LineLeast? Least { get; init; }

    /// <summary>The line at its easier end: least sets, reps and length, most rest, least load.</summary>
    public PlanLine Easier() => this with
    {
        Sets = Least?.Sets ?? Sets,
        Reps = Least?.Reps ?? Reps,
        Shape = Least?.Shape ?? Shape,
        Rest = Rest is { MostSeconds: { } most } ? Rest with { RepSeconds = most, MostSeconds = null } : Rest,
        Load = Load is { Least: { } light } ? Load with { Amount = light, Least = null } : Load,
        Least = null,
    };

    /// <summary>True when something of it was written as a range that changes how long it takes.</summary>
    [JsonIgnore]
    public bool IsRange => Least is not null || Rest?.MostSeconds is not null;

    /// <summary>Unit the line was written in: that of its first stretch, metres for what is no run.</summary>
    [JsonIgnore]
    public DistanceUnit Unit => Shape is RunShape run && run.Segments.FirstOrDefault(s => !s.IsTurn) is { } first ? first.Length.Unit : DistanceUnit.Metre;

    /// <summary>A distance in words, in the unit the line was written in, to a tenth.</summary>
    /// <param name="metres">The distance, m.</param>
    public string Says(double metres) => Distance.InMetres(metres).To(Unit) is var there ? (there with { Amount = Math.Round(there.Amount, 1) }).ToString() : "";

    /// <summary>Reps in all: sets times reps.</summary>
    [JsonIgnore]
    public int TotalReps => Sets * Reps;

    /// <summary>Turns of one athlete in one round: reps, twice where each side is done and counted.</summary>
    [JsonIgnore]
    public int Turns => TotalReps * (EachSide ? 2 : 1);

    /// <summary>True when a load written down for it is what was lifted, of which a maximum can be reckoned; what is dragged along a way, pulled by or worn is no lift.</summary>
    [JsonIgnore]
    public bool IsLift => Shape is not RunShape && Load is null or { Kind: LoadKind.Lift };

    /// <summary>What is asked for besides times at marks.</summary>
    [JsonIgnore]
    public IReadOnlyList<MeasureKind> AskedMeasures => [.. Log.Where(m => m != MeasureKind.Time)];
}

/// <summary>The easier end of a range.</summary>
/// <param name="Sets">Fewest sets, or null when they are no range.</param>
/// <param name="Reps">Fewest reps.</param>
/// <param name="Shape">Shortest run, time or count.</param>
public sealed record LineLeast(int? Sets = null, int? Reps = null, RepShape? Shape = null);
