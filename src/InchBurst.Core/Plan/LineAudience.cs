using InchBurst.Core.Live;

namespace InchBurst.Core.Plan;

/// <summary>Whom a line is for, and which side a turn is run to.</summary>
public static class LineAudience
{
    /// <summary>Words for the group with many match minutes.</summary>
    public const string HighMinutes = "high minutes";

    /// <summary>Words for the group with few match minutes.</summary>
    public const string LowMinutes = "low minutes";

    /// <summary>Words for those whom the line before is not for.</summary>
    public const string Others = "others";

    /// <summary>True when a line is for an athlete: by group, by name or first name, for everyone, or for the others of the line before it.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="line">The line.</param>
    /// <param name="name">Name of the athlete.</param>
    /// <param name="group">Playing group in the words above, or null.</param>
    public static bool Covers(this SessionPlan plan, PlanLine line, string name, string? group) => line.For.Count == 0 || line.For.Any(f =>
        f == group
        || name.Equals(f, StringComparison.OrdinalIgnoreCase)
        || name.StartsWith(f + " ", StringComparison.OrdinalIgnoreCase)
        || (f == Others && plan.Lines.TakeWhile(l => l.Id != line.Id).LastOrDefault() is { For.Count: > 0 } before && !plan.Covers(before, name, group)));

    /// <summary>Side of one turn: left first where each side is done, otherwise as the start says; null where there is none.</summary>
    /// <param name="line">The line.</param>
    /// <param name="turn">Turn of the athlete, from 1.</param>
    public static Side? SideOfTurn(this PlanLine line, int turn) => line.EachSide ? turn % 2 == 1 ? Side.Left : Side.Right : line.Start?.Side;
}
