using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Units;

namespace InchBurst.Core.Make;

/// <summary>One answer to a question about a line.</summary>
/// <param name="Label">What it is, in few words.</param>
/// <param name="Whole">The line with the answer in it.</param>
public sealed record ReadChoice(string Label, string Whole);

/// <summary>What keeps a line from being read.</summary>
/// <param name="Start">Place of the first character at fault, from 0.</param>
/// <param name="Length">Number of characters; 0 when something is missing there.</param>
/// <param name="Message">What is wrong, in a coach's words.</param>
/// <param name="Choices">What may be meant, at most nine.</param>
public sealed record ReadProblem(int Start, int Length, string Message, IReadOnlyList<ReadChoice> Choices);

/// <summary>A stretch of a run on the drawing beside the words.</summary>
/// <param name="From">Where it begins, as a share of the run, 0 to 1.</param>
/// <param name="To">Where it ends; the same as <paramref name="From"/> for a turn or a cut.</param>
/// <param name="Role">What it is for, in small letters.</param>
/// <param name="Label">Its length as written, or the angle of a turn.</param>
public sealed record SketchPiece(double From, double To, string Role, string Label);

/// <summary>A line as it is drawn beside its words: one rep to scale, and the reps.</summary>
/// <param name="Pieces">The run, stretch by stretch; empty for what is timed or counted.</param>
/// <param name="Gates">Where gates stand, as shares of the run.</param>
/// <param name="Sets">Sets.</param>
/// <param name="Reps">Reps a set.</param>
/// <param name="Least">Fewest reps in all where a range was written; otherwise as many as there are.</param>
public sealed record LineSketch(IReadOnlyList<SketchPiece> Pieces, IReadOnlyList<double> Gates, int Sets, int Reps, int Least)
{
    /// <summary>The drawing of a line.</summary>
    /// <param name="line">The line.</param>
    public static LineSketch Of(PlanLine line)
    {
        var pieces = new List<SketchPiece>();
        var gates = new List<double>();
        if (line.Shape is RunShape { Metres: > 0 } run)
        {
            var at = 0.0;
            foreach (var s in run.Segments)
            {
                var to = at + (s.Length.Metres / run.Metres);
                pieces.Add(new(at, to, s.Role.ToString().ToLowerInvariant(), s.IsTurn ? $"{Figures.Number(s.AngleDegrees ?? 180)}°" : s.Length.ToString()));
                at = to;
            }

            gates.AddRange(line.Gates.Select(g => g.Metres / run.Metres).Where(g => g <= 1 + 1e-9));
        }

        return new(pieces, gates, line.Sets, line.Reps, (line.Least?.Sets ?? line.Sets) * (line.Least?.Reps ?? line.Reps));
    }
}

/// <summary>What is said of a line while it is typed: how it reads, what it adds, or what is to be asked.</summary>
/// <param name="Text">The line as typed.</param>
public sealed record LineReading(string Text)
{
    /// <summary>What keeps it from being read; null when it reads, or while a name is still being typed.</summary>
    public ReadProblem? Problem { get; init; }

    /// <summary>Exercises that fit the words at its end.</summary>
    public IReadOnlyList<Completion> Offers { get; init; } = [];

    /// <summary>Kind of work, whose picture stands in front; null while it does not read.</summary>
    public WorkKind? Kind { get; init; }

    /// <summary>What it is: exercise or kind of work.</summary>
    public string Name { get; init; } = "";

    /// <summary>The line in words, piece by piece.</summary>
    public IReadOnlyList<string> Words { get; init; } = [];

    /// <summary>What is to be minded although it reads.</summary>
    public IReadOnlyList<string> Minds { get; init; } = [];

    /// <summary>What it adds to the session.</summary>
    public string Adds { get; init; } = "";

    /// <summary>The drawing beside the words; null for several lines at once.</summary>
    public LineSketch? Sketch { get; init; }

    /// <summary>Reads what has been typed.</summary>
    /// <param name="text">The line so far.</param>
    /// <param name="context">Default unit and known exercises.</param>
    /// <param name="setting">What the session is held with.</param>
    /// <param name="squad">Whom a line can be for; nobody is missed in an empty one.</param>
    public static LineReading Of(string text, ShorthandContext context, ClockSetting setting, IReadOnlyCollection<SquadMember> squad)
    {
        var (block, problem) = PlanText.ReadOne(text, context);
        if (block is null)
        {
            var offers = ShorthandCompletion.Offer(text, context.Catalogue);
            var isTyping = text.Trim().Length == 0 || (offers.Count > 0 && problem!.Start + problem.Length >= text.TrimEnd().Length);
            return new(text) { Offers = offers, Problem = isTyping ? null : new(problem!.Start, problem.Length, problem.Message, [.. problem.Choices.Select(c => new ReadChoice(c.Label, c.In(text)))]) };
        }

        var line = block.Lines[0];
        var isOne = block is { Lines.Count: 1, Rounds: 1 };
        var alone = SessionPlan.Empty.Add(block);
        var metres = alone.Blocks.SelectMany(b => b.Lines.Select(l => Volume.Of(setting.DemandOf(l), b.Rounds))).Sum(v => v.Metres);
        var unanswered = squad.Count == 0 ? [] : block.Lines.SelectMany(l => l.Unanswered(squad)).Distinct().ToList();
        return new(text)
        {
            Kind = line.Kind,
            Name = !isOne ? OfSeveral(block) : (line.Exercise ?? line.Kind.Name()) + (line.Exercise is not null && context.Catalogue.Find(line.Exercise) is null ? " (a name of your own)" : ""),
            Words = isOne ? LineWords.Of(setting.DemandOf(line), setting.School) : [.. block.Lines.Select(l => ShorthandPrinter.Print(l, context.Catalogue).Replace(" x ", " × ", StringComparison.Ordinal)), .. block.RoundRestSeconds is { } rest ? [$"rest {Figures.Clock(rest)} after a round"] : (string[])[]],
            Minds = [.. unanswered.Select(w => $"nobody here answers to “{w}”")],
            Adds = $"adds {(metres > 0 ? Figures.Number(metres) + " m, " : "")}{Figures.Clock(SessionClock.Lay(alone, setting).TotalSeconds)}",
            Sketch = isOne ? LineSketch.Of(line) : null,
        };
    }

    private static string OfSeveral(PlanBlock block) =>
        (block.Rounds == 1 ? "" : $"{block.Rounds} rounds of ") + (block.Lines.Count == 1 ? "1 line" : $"{block.Lines.Count} lines");
}
