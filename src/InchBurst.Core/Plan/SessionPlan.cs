using System.Text.Json.Serialization;

namespace InchBurst.Core.Plan;

/// <summary>A block: lines done as one part of the session, once or in rounds.</summary>
/// <param name="Id">Number that stays with the block while the plan lives.</param>
/// <param name="Title">What the coach calls it.</param>
/// <param name="Lines">At least one line.</param>
/// <param name="Rounds">How often the lines are gone through, 1 to 20.</param>
/// <param name="RoundRestSeconds">Rest between rounds in s, 0 to 3600, or null.</param>
/// <param name="Stations">True when the lines are stations: as many groups as lines, each at another one, moving on together.</param>
public sealed record PlanBlock(int Id, string Title, IReadOnlyList<PlanLine> Lines, int Rounds = 1, double? RoundRestSeconds = null, bool Stations = false);

/// <summary>A session plan: one document.</summary>
/// <param name="Version">Version of the document's form; <see cref="Current"/> today.</param>
/// <param name="Blocks">Blocks in order.</param>
/// <param name="LastId">Largest number ever given to a block or a line of this plan.</param>
public sealed record SessionPlan(int Version, IReadOnlyList<PlanBlock> Blocks, int LastId)
{
    /// <summary>The form written today.</summary>
    public const int Current = 2;

    /// <summary>A plan with nothing in it.</summary>
    public static SessionPlan Empty { get; } = new(Current, [], 0);

    /// <summary>All lines in order.</summary>
    [JsonIgnore]
    public IEnumerable<PlanLine> Lines => Blocks.SelectMany(b => b.Lines);

    /// <summary>The line with a number, or null.</summary>
    /// <param name="id">Its number.</param>
    public PlanLine? Line(int id) => Lines.FirstOrDefault(l => l.Id == id);

    /// <summary>The block that holds a line, or null.</summary>
    /// <param name="lineId">The line's number.</param>
    public PlanBlock? BlockOf(int lineId) => Blocks.FirstOrDefault(b => b.Lines.Any(l => l.Id == lineId));

    /// <summary>The round of its block that a turn of a line belongs to, from 1.</summary>
    /// <param name="lineId">Number of the line.</param>
    /// <param name="turn">Turn over all rounds, from 1.</param>
    public int RoundOf(int lineId, int turn) => Line(lineId) is { } line ? Math.Clamp(((turn - 1) / Math.Max(1, line.Turns)) + 1, 1, BlockOf(lineId)!.Rounds) : 1;

    /// <summary>True when some line is written as a range that changes how long it takes.</summary>
    [JsonIgnore]
    public bool HasRanges => Lines.Any(l => l.IsRange);

    /// <summary>The plan with every range at its easier end.</summary>
    public SessionPlan Easier() => this with { Blocks = [.. Blocks.Select(b => b with { Lines = [.. b.Lines.Select(l => l.Easier())] })] };
}
