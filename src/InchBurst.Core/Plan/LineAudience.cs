using InchBurst.Core.Live;

namespace InchBurst.Core.Plan;

/// <summary>Somebody a line can be for.</summary>
/// <param name="Name">Name.</param>
/// <param name="Groups">Groups they are in, by the words a line is for.</param>
public sealed record SquadMember(string Name, IReadOnlyCollection<string> Groups);

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
    /// <param name="groups">Groups of the athlete: by minutes, and the coach's own.</param>
    public static bool Covers(this SessionPlan plan, PlanLine line, string name, params IReadOnlyCollection<string> groups) => line.For.Count == 0 || line.For.Any(f =>
        Answers(f, name, groups)
        || (f == Others && plan.Lines.TakeWhile(l => l.Id != line.Id).LastOrDefault() is { For.Count: > 0 } before && !plan.Covers(before, name, groups)));

    /// <summary>What a line is for that nobody of a squad answers to; the others of the line before it are always somebody.</summary>
    /// <param name="line">The line.</param>
    /// <param name="squad">The squad.</param>
    public static IReadOnlyList<string> Unanswered(this PlanLine line, IReadOnlyCollection<SquadMember> squad) =>
        [.. line.For.Where(f => f != Others && !squad.Any(m => Answers(f, m.Name, m.Groups)))];

    /// <summary>Lines of a block in the order they are gone through; those that are for different people and stand beside each other are done at the same time.</summary>
    /// <param name="block">The block.</param>
    /// <param name="apart">True when nobody does both of two lines; null goes by the words they are for.</param>
    /// <returns>Lists of lines done at the same time; a line on its own is a list of one.</returns>
    public static IReadOnlyList<IReadOnlyList<PlanLine>> AtOnce(this PlanBlock block, Func<PlanLine, PlanLine, bool>? apart = null)
    {
        var turns = new List<List<PlanLine>>();
        foreach (var line in block.Lines)
        {
            var last = turns.LastOrDefault();
            if (last is not null && !block.Stations && last.TrueForAll(l => l.For.Count > 0 && line.For.Count > 0 && (apart ?? ByWords)(l, line)))
            {
                last.Add(line);
            }
            else
            {
                turns.Add([line]);
            }
        }

        return turns;

        // "Others" are those of the line right before.
        bool ByWords(PlanLine first, PlanLine second) => !first.For.Intersect(second.For, StringComparer.OrdinalIgnoreCase).Any()
            && (!second.For.Contains(Others) || (turns[^1].Count == 1 && second.For.Count == 1)) && !(first.For.Contains(Others) && second.For.Count > 0);
    }

    private static bool Answers(string word, string name, IReadOnlyCollection<string> groups) =>
        groups.Contains(word, StringComparer.OrdinalIgnoreCase) || name.Equals(word, StringComparison.OrdinalIgnoreCase) || name.StartsWith(word + " ", StringComparison.OrdinalIgnoreCase);

    /// <summary>Side of one turn: left first where each side is done, otherwise as the start says; null where there is none.</summary>
    /// <param name="line">The line.</param>
    /// <param name="turn">Turn of the athlete, from 1.</param>
    public static Side? SideOfTurn(this PlanLine line, int turn) => line.EachSide ? turn % 2 == 1 ? Side.Left : Side.Right : line.Start?.Side;
}
