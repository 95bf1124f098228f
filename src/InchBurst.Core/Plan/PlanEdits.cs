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
        if (plan.Blocks.Count > 0 && plan.Blocks[^1] is { Rounds: 1 } last && ((last.Title == title && Shared.Contains(title)) || GoesBeside(last, numbered)))
        {
            return plan with { Blocks = [.. plan.Blocks.SkipLast(1), last with { Lines = [.. last.Lines, numbered] }], LastId = numbered.Id };
        }

        return plan with { Blocks = [.. plan.Blocks, new(numbered.Id + 1, title, [numbered])], LastId = numbered.Id + 1 };
    }

    // What is for others than the line before it is done at the same time, and so stands in one block with it.
    private static bool GoesBeside(PlanBlock block, PlanLine line) => line.For.Count > 0 && (block with { Lines = [.. block.Lines, line] }).AtOnce()[^1].Count > 1;

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

    /// <summary>Moves several lines together one place up or down, keeping their order among themselves.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="lineIds">Numbers of the lines.</param>
    /// <param name="step">-1 is up, +1 is down.</param>
    public static SessionPlan MoveTogether(this SessionPlan plan, IReadOnlyCollection<int> lineIds, int step)
    {
        // From the leading edge inwards, and never past one that could not move.
        var ids = plan.Lines.Select(l => l.Id).Where(lineIds.Contains).ToList();
        if (step > 0)
        {
            ids.Reverse();
        }

        foreach (var id in ids)
        {
            var moved = plan.Move(id, step);
            var order = moved.Lines.Select(l => l.Id).ToList();
            var before = plan.Lines.Select(l => l.Id).ToList();
            var passed = step < 0 ? before.IndexOf(id) - 1 : before.IndexOf(id) + 1;
            if (passed < 0 || passed >= before.Count || lineIds.Contains(before[passed]) || order.SequenceEqual(before))
            {
                continue;
            }

            plan = moved;
        }

        return plan;
    }

    /// <summary>Joins a block to the one above it, as one block that can be gone through in rounds.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="blockId">Number of the lower block; the first block cannot be joined.</param>
    public static SessionPlan JoinAbove(this SessionPlan plan, int blockId)
    {
        var at = plan.Blocks.ToList().FindIndex(b => b.Id == blockId);
        if (at < 1)
        {
            return plan;
        }

        var (above, below) = (plan.Blocks[at - 1], plan.Blocks[at]);
        var lines = above.Lines.Concat(below.Lines).ToArray();
        var title = above.Title == below.Title ? above.Title : lines.Length == 2 ? "Pair" : above.Lines.Count > 1 ? above.Title : "Complex";
        return plan with { Blocks = [.. plan.Blocks.Take(at - 1), above with { Title = title, Lines = lines }, .. plan.Blocks.Skip(at + 1)] };
    }

    /// <summary>Takes a block apart into one block a line.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="blockId">Number of the block.</param>
    public static SessionPlan Split(this SessionPlan plan, int blockId)
    {
        var next = plan.LastId;
        var blocks = plan.Blocks.SelectMany(b => b.Id != blockId || b.Lines.Count < 2
            ? [b]
            : b.Lines.Select((l, i) => new PlanBlock(i == 0 ? b.Id : ++next, TitleFor(l, null), [l]))).ToArray();
        return plan with { Blocks = blocks, LastId = next };
    }

    /// <summary>Puts a block in the place of another, or first when there is none, giving its lines numbers.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="blockId">Number of the block to replace, or null to put it first.</param>
    /// <param name="block">The new block.</param>
    public static SessionPlan PutBlock(this SessionPlan plan, int? blockId, PlanBlock block)
    {
        var at = blockId is null ? -1 : plan.Blocks.ToList().FindIndex(b => b.Id == blockId);
        var added = plan.Add(block);
        var made = added.Blocks[^1];
        var rest = added.Blocks.SkipLast(1).Where((_, i) => i != at).ToList();
        rest.Insert(Math.Max(0, at), made);
        return added with { Blocks = rest };
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
