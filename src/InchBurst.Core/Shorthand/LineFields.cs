using System.Globalization;
using System.Text;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Shorthand;

/// <summary>A part of a run as fields: a number in a unit, or an angle for a turn or cut.</summary>
public sealed record SegmentField
{
    /// <summary>Number as typed; empty takes the part out.</summary>
    public string Amount { get; init; } = "";

    /// <summary>Unit: m, yd or ft.</summary>
    public string Unit { get; init; } = "m";

    /// <summary>Role as a word: run, build, fly, turn and so on; a movement stands here as well, after the role where both are said.</summary>
    public string Role { get; init; } = "run";

    /// <summary>Side of a turn or cut: left, right or empty.</summary>
    public string Side { get; init; } = "";
}

/// <summary>
/// A line as ordinary fields. Fields and text are one thing: the fields write shorthand, and the shorthand is read by the one reader there is,
/// so that nothing can be said in one that cannot be said in the other.
/// </summary>
public sealed record LineFields
{
    /// <summary>Exercise, or empty for a plain run.</summary>
    public string Exercise { get; init; } = "";

    /// <summary>Sets.</summary>
    public string Sets { get; init; } = "1";

    /// <summary>Reps.</summary>
    public string Reps { get; init; } = "1";

    /// <summary>Parts of a run; empty for a time or a count.</summary>
    public IReadOnlyList<SegmentField> Segments { get; init; } = [];

    /// <summary>A time as m:ss or with its unit; empty for a run or a count.</summary>
    public string Time { get; init; } = "";

    /// <summary>A count; empty for a run or a time.</summary>
    public string Count { get; init; } = "";

    /// <summary>What is counted where the word tells what is done: jumps, hops, bounds or throws; empty for plain reps.</summary>
    public string CountWord { get; init; } = "";

    /// <summary>True when the group goes in waves, one close behind another.</summary>
    public bool InWaves { get; init; }

    /// <summary>True when the count is passes.</summary>
    public bool Passes { get; init; }

    /// <summary>Effort in percent: one, several with commas, or from-to; or a word.</summary>
    public string Effort { get; init; } = "";

    /// <summary>What a rep is to be done in, as in shorthand: "in 18 s", "110% aerobic".</summary>
    public string Goal { get; init; } = "";

    /// <summary>Start as a word with side or run-in; empty when not said.</summary>
    public string Start { get; init; } = "";

    /// <summary>Rest between reps, as after the word rest, without the rest between sets.</summary>
    public string Rest { get; init; } = "";

    /// <summary>Rest between sets as m:ss.</summary>
    public string SetRest { get; init; } = "";

    /// <summary>Load as in shorthand, such as "sled 12 kg".</summary>
    public string Load { get; init; } = "";

    /// <summary>Gates with commas between.</summary>
    public string Gates { get; init; } = "";

    /// <summary>How far past the last mark.</summary>
    public string Through { get; init; } = "";

    /// <summary>True when done once on each side.</summary>
    public bool EachSide { get; init; }

    /// <summary>What is written down for each go besides gate times, with commas between.</summary>
    public string Log { get; init; } = "";

    /// <summary>Whom the line is for.</summary>
    public string For { get; init; } = "";

    /// <summary>Cue.</summary>
    public string Cue { get; init; } = "";

    /// <summary>Kind of work as a word; empty lets the line tell.</summary>
    public string Kind { get; init; } = "";

    /// <summary>The fields of a line.</summary>
    /// <param name="line">The line.</param>
    /// <param name="catalogue">Known exercises.</param>
    public static LineFields From(PlanLine line, ExerciseCatalogue catalogue) => new()
    {
        Exercise = line.Exercise ?? "",
        Sets = ShorthandPrinter.Range(line.Least?.Sets, line.Sets),
        Reps = ShorthandPrinter.Range(line.Least?.Reps, line.Reps),
        Segments = line.Shape is RunShape run
            ? [.. run.Segments.Select(s => new SegmentField
            {
                Amount = (line.Least?.Shape is RunShape least ? Plain(least.Segments[0].Length.Amount) + "-" : "") + Plain(s.AngleDegrees ?? s.Length.Amount), Unit = s.Length.Symbol, Role = RoleText(s), Side = s.Side?.ToString().ToLowerInvariant() ?? "",
            })]
            : [],
        Time = line.Shape is TimedShape time ? line.Least?.Shape is TimedShape ? ShorthandPrinter.ShapeText(line.Shape, line.Least.Shape) : Figures.Clock(time.Seconds) : "",
        Count = line.Shape is CountShape count ? ShorthandPrinter.Range((line.Least?.Shape as CountShape)?.Count, count.Count) : "",
        Passes = line.Shape is CountShape { Passes: true },
        CountWord = line.Shape is CountShape { Movement: not null } ? ShorthandPrinter.ShapeText(line.Shape).Split(' ')[1] : "",
        Effort = ShorthandPrinter.EffortText(line.Effort).TrimStart('@').TrimEnd('%'),
        Goal = ShorthandPrinter.GoalText(line.Goal),
        Start = ShorthandPrinter.StartText(line.Start),
        Rest = line.Rest is null ? "" : ShorthandPrinter.RestText(line.Rest with { SetSeconds = null }),
        SetRest = line.Rest?.SetSeconds is { } set ? Figures.Clock(set) : "",
        Load = ShorthandPrinter.LoadText(line.Load),
        Gates = line.Gates.Count == 0 ? "" : ShorthandPrinter.List(line.Gates),
        Through = line.Through?.ToString() ?? "",
        EachSide = line.EachSide,
        InWaves = line.InWaves,
        Log = ShorthandPrinter.LogText(line),
        For = string.Join(", ", line.For),
        Cue = line.Cue ?? "",
        Kind = line.Kind == PlanKinds.Derive(catalogue.Find(line.Exercise), line.Exercise, line.Shape, line.Effort, line.Load, line.Goal) ? "" : line.Kind.Word(),
    };

    /// <summary>The fields as shorthand, with the place of each field in it, so that a problem can be shown beside the field it came from.</summary>
    /// <param name="catalogue">Known exercises.</param>
    public (string Text, IReadOnlyList<(string Field, int Start, int End)> Places) ToShorthand(ExerciseCatalogue catalogue)
    {
        var text = new StringBuilder();
        var places = new List<(string, int, int)>();
        void Put(string field, string words, string glue = " ")
        {
            if (words.Trim().Length == 0)
            {
                return;
            }

            if (text.Length > 0)
            {
                text.Append(glue);
            }

            var start = text.Length;
            text.Append(words.Trim());
            places.Add((field, start, text.Length));
        }

        var name = Exercise.Trim().Trim('"');
        Put(nameof(Exercise), name.Length == 0 ? "" : catalogue.Find(name) is not null ? name : $"\"{name}\"");
        var many = Sets.Trim() is not ("" or "1");
        Put(nameof(Sets), many ? Sets + " x" : "");
        Put(nameof(Reps), many || Reps.Trim() is not ("" or "1") ? Reps + " x" : "");
        var parts = Segments.Where(s => s.Amount.Trim().Length > 0).ToList();
        if (parts.Count > 0)
        {
            for (var i = 0; i < parts.Count; i++)
            {
                var p = parts[i];
                var words = p.Role is "turn" or "cut" ? $"{p.Role} {p.Amount.Trim()} {p.Side}" : $"{p.Amount.Trim()} {p.Unit}{(p.Role == "run" ? "" : " " + p.Role)}";
                Put(nameof(Segments), words, i > 0 ? " + " : " ");
            }
        }
        else if (Time.Trim().Length > 0)
        {
            Put(nameof(Time), Time);
        }
        else
        {
            Put(nameof(Count), Count.Trim().Length > 0 ? Count + (Passes ? " passes" : CountWord.Trim().Length > 0 ? " " + CountWord.Trim() : " reps") : "");
        }

        Put(nameof(EachSide), EachSide ? "each side" : "");
        Put(nameof(Effort), Effort.Trim().Length == 0 ? "" : ShorthandWords.EffortWords.ContainsKey(Effort.Trim()) ? Effort : "@" + Effort.Trim().TrimStart('@'));
        Put(nameof(Goal), Goal.Trim() is var goal && goal.Length > 0 && (char.IsAsciiDigit(goal[0]) && !goal.Contains('%', StringComparison.Ordinal)) ? "in " + goal : goal);
        Put(nameof(Start), Start.Trim().Length > 0 ? "from " + Start : "");
        Put(nameof(Load), Load);
        Put(nameof(Gates), Gates.Trim().Length > 0 ? "gates " + Gates : "");
        Put(nameof(Through), Through.Trim().Length > 0 ? "through " + Through : "");
        Put(nameof(Rest), Rest.Trim().Length > 0 ? "rest " + Rest.Trim() : "");
        Put(nameof(SetRest), SetRest.Trim().Length == 0 ? "" : Rest.Trim().Length > 0 ? "/" + SetRest : $"rest {SetRest.Trim()} between sets", Rest.Trim().Length > 0 ? "" : " ");
        Put(nameof(InWaves), InWaves ? "in waves" : "");
        Put(nameof(Log), Log.Trim().Length > 0 ? "log " + Log : "");
        Put(nameof(For), For.Trim().Length > 0 ? "for " + string.Join(", ", For.Split(',', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries).Select(ShorthandPrinter.Who)) : "");
        Put(nameof(Kind), Kind.Trim().Length > 0 ? "as " + Kind : "");
        Put(nameof(Cue), Cue.Trim().Length > 0 ? $"cue \"{Cue.Trim().Replace('"', '\'')}\"" : "");
        return (text.ToString(), places);
    }

    private static string RoleText(RunSegment s) => s.Movement is not { } movement ? ShorthandWords.RoleWord(s.Role)
        : s.Role == SegmentRole.Run ? ShorthandWords.MovementWord(movement) : $"{ShorthandWords.RoleWord(s.Role)} {ShorthandWords.MovementWord(movement)}";

    private static string Plain(double value) => value.ToString("0.####", CultureInfo.InvariantCulture);
}
