namespace InchBurst.Core.Plan;

/// <summary>Edits of a plan. Each gives a new plan; numbers of lines and blocks never come twice.</summary>
public static class PlanEdits
{
    /// <summary>Most lines a plan may hold.</summary>
    public const int MostLines = 80;

    /// <summary>Adds a line at the end: to the last block when it belongs there, otherwise as a block of its own.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="line">The line; its number is given here.</param>
    /// <param name="family">Family of its exercise, if known; the stages of a warm-up share a block.</param>
    public static SessionPlan Add(this SessionPlan plan, PlanLine line, string? family = null)
    {
        var numbered = line with { Id = plan.LastId + 1 };
        var title = TitleFor(line, family);
        if (plan.Blocks.Count > 0 && plan.Blocks[^1] is { Rounds: 1 } last && last.Title == title && Shared.Contains(title))
        {
            return plan with { Blocks = [.. plan.Blocks.SkipLast(1), last with { Lines = [.. last.Lines, numbered] }], LastId = numbered.Id };
        }

        return plan with { Blocks = [.. plan.Blocks, new(numbered.Id + 1, title, [numbered])], LastId = numbered.Id + 1 };
    }

    /// <summary>Adds a block as it is, giving numbers to it and its lines.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="block">The block.</param>
    public static SessionPlan Add(this SessionPlan plan, PlanBlock block)
    {
        var next = plan.LastId;
        var lines = block.Lines.Select(l => l with { Id = ++next }).ToArray();
        return plan with { Blocks = [.. plan.Blocks, block with { Id = ++next, Lines = lines }], LastId = next };
    }

    /// <summary>Puts a line in the place of another, keeping its number and, where the kind stays, its block's title.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="lineId">Number of the line to replace; the plan is unchanged when it has none such.</param>
    /// <param name="line">The new line.</param>
    /// <param name="family">Family of its exercise, if known.</param>
    public static SessionPlan Replace(this SessionPlan plan, int lineId, PlanLine line, string? family = null) => plan with
    {
        Blocks = [.. plan.Blocks.Select(b => b.Lines.All(l => l.Id != lineId) ? b : b with
        {
            Title = b.Lines.Count == 1 && b.Lines[0].Kind != line.Kind && b.Title == TitleFor(b.Lines[0], null) ? TitleFor(line, family) : b.Title,
            Lines = [.. b.Lines.Select(l => l.Id == lineId ? line with { Id = lineId } : l)],
        })],
    };

    /// <summary>Takes lines out; blocks left empty go with them.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="lineIds">Numbers of the lines.</param>
    public static SessionPlan Remove(this SessionPlan plan, params IReadOnlyCollection<int> lineIds) => plan with
    {
        Blocks = [.. plan.Blocks.Select(b => b with { Lines = [.. b.Lines.Where(l => !lineIds.Contains(l.Id))] }).Where(b => b.Lines.Count > 0)],
    };

    /// <summary>Copies lines, each copy right after its line.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="lineIds">Numbers of the lines.</param>
    public static SessionPlan Copy(this SessionPlan plan, params IReadOnlyCollection<int> lineIds)
    {
        var next = plan.LastId;
        var blocks = plan.Blocks.Select(b => b with
        {
            Lines = [.. b.Lines.SelectMany(l => lineIds.Contains(l.Id) ? new[] { l, l with { Id = ++next } } : [l])],
        }).ToArray();
        return plan with { Blocks = blocks, LastId = next };
    }

    /// <summary>Moves a block one place up or down, or a line within its block.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="lineId">Number of a line; when it is alone in its block the block moves.</param>
    /// <param name="steps">Negative is up; stops at the ends.</param>
    public static SessionPlan Move(this SessionPlan plan, int lineId, int steps)
    {
        var index = plan.Blocks.ToList().FindIndex(b => b.Lines.Any(l => l.Id == lineId));
        if (index < 0)
        {
            return plan;
        }

        var block = plan.Blocks[index];
        var inside = block.Lines.ToList().FindIndex(l => l.Id == lineId);
        var target = inside + steps;
        if (block.Lines.Count > 1 && target >= 0 && target < block.Lines.Count)
        {
            var lines = block.Lines.ToList();
            lines.RemoveAt(inside);
            lines.Insert(target, block.Lines[inside]);
            return plan with { Blocks = [.. plan.Blocks.Select(b => b.Id == block.Id ? b with { Lines = lines } : b)] };
        }

        return plan.MoveBlock(block.Id, index + steps);
    }

    /// <summary>Moves a block to a place in the order.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="blockId">Number of the block; the plan is unchanged when it has none such.</param>
    /// <param name="place">New place from 0; kept within the order.</param>
    public static SessionPlan MoveBlock(this SessionPlan plan, int blockId, int place)
    {
        var blocks = plan.Blocks.ToList();
        var from = blocks.FindIndex(b => b.Id == blockId);
        if (from < 0)
        {
            return plan;
        }

        var block = blocks[from];
        blocks.RemoveAt(from);
        blocks.Insert(Math.Clamp(place, 0, blocks.Count), block);
        return plan with { Blocks = blocks };
    }

    /// <summary>Sets a block's title and rounds.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="blockId">Number of the block.</param>
    /// <param name="title">Title, 1 to 60 characters.</param>
    /// <param name="rounds">1 to 20.</param>
    /// <param name="roundRestSeconds">0 to 3600, or null.</param>
    public static SessionPlan SetBlock(this SessionPlan plan, int blockId, string title, int rounds, double? roundRestSeconds) => plan with
    {
        Blocks = [.. plan.Blocks.Select(b => b.Id == blockId ? b with { Title = title, Rounds = rounds, RoundRestSeconds = roundRestSeconds } : b)],
    };

    /// <summary>The title a block of such a line has by itself.</summary>
    /// <param name="line">The line.</param>
    /// <param name="family">Family of its exercise, if known.</param>
    public static string TitleFor(PlanLine line, string? family) => line switch
    {
        _ when line.Kind is WorkKind.Raise or WorkKind.Mobilise || family is "potentiate" => "Warm-up",
        { Kind: WorkKind.Acceleration, Effort: { } e } when e.Percents.Count > 1 || e.Hardest < 90 => "Build-ups",
        _ => line.Kind.Name(),
    };

    private static readonly string[] Shared = ["Warm-up", WorkKind.Drill.Name(), WorkKind.Jumps.Name(), WorkKind.CoolDown.Name()];
}
