using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;

namespace InchBurst.Core.Make;

/// <summary>The next step within a line that was written as a range.</summary>
/// <param name="Before">What was done the last time, in words: "3 x 10 m".</param>
/// <param name="Next">The line to do next; null when the top of the range is reached.</param>
/// <param name="Says">The step in words.</param>
public sealed record StepUp(string Before, PlanLine? Next, string Says)
{
    private const double RestStepSeconds = 30;
    private const double LoadStep = 2.5;

    /// <summary>True for a line that leaves something open.</summary>
    /// <param name="line">The line.</param>
    public static bool IsOpen(PlanLine line) => line.IsRange || line.Load?.Least is not null;

    /// <summary>True when an earlier line was the same work: the range itself, or a step within it.</summary>
    /// <param name="range">The line with the range.</param>
    /// <param name="before">The earlier line.</param>
    public static bool IsOf(PlanLine range, PlanLine before) =>
        string.Equals(range.Exercise, before.Exercise, StringComparison.OrdinalIgnoreCase) && range.Effort?.Hardest == before.Effort?.Hardest && range.EachSide == before.EachSide
        && range.Load?.Kind == before.Load?.Kind && range.Load?.Unit == before.Load?.Unit && range.Start?.Position == before.Start?.Position
        && Size(range.Shape) is var (most, unit) && Size(before.Shape) is var (had, hadUnit) && unit == hadUnit && had <= most && (range.Least?.Shape is { } least ? had >= Size(least)!.Value.Amount : had == most)
        && before.Sets <= range.Sets && before.Reps <= range.Reps;

    /// <summary>
    /// One thing at a time, volume first (common practice): a rep more, or a set where sets are open; at the most of them a longer run, time or count with the fewest again;
    /// then less rest; then more load. What was not finished is done again.
    /// </summary>
    /// <param name="range">The line with the range.</param>
    /// <param name="before">The same work as it was planned the last time: the range, or a step within it.</param>
    /// <param name="done">Reps a typical athlete did of it then, over all sets; null when nothing was logged, which is taken as the easier end.</param>
    public static StepUp Of(PlanLine range, PlanLine before, int? done)
    {
        var easy = before.Easier();
        var bySets = range.Least?.Sets is not null;
        var asked = bySets ? easy.Sets : easy.Reps;
        var other = Math.Max(1, bySets ? easy.Reps : easy.Sets);
        var had = done is { } reps ? Math.Min(reps / other, bySets ? before.Sets : before.Reps) : asked;
        var (least, most) = bySets ? (range.Least!.Sets!.Value, range.Sets) : (range.Least?.Reps ?? range.Reps, range.Reps);
        PlanLine At(int count, RepShape shape, LineRest? rest, LineLoad? load) => range with
        {
            Sets = bySets ? count : range.Least?.Sets ?? range.Sets,
            Reps = bySets ? range.Least?.Reps ?? range.Reps : count,
            Shape = shape,
            Rest = rest,
            Load = load,
            Least = null,
        };
        var (shape, rest, load) = (range.Least?.Shape is null ? range.Shape : easy.Shape, range.Rest is { MostSeconds: not null } ? easy.Rest : range.Rest, range.Load is { Least: not null } ? easy.Load : range.Load);
        var was = ShorthandPrinter.Dose(At(Math.Max(1, had), shape, rest, load));
        StepUp Then(PlanLine next, string says) => new(was, next, says);
        if (had < asked)
        {
            return Then(At(asked, shape, rest, load), "the same again: it was not finished");
        }

        if (had < most)
        {
            return Then(At(had + 1, shape, rest, load), bySets ? "a set more" : "a rep more");
        }

        if (range.Least?.Shape is not null && Longer(shape, range.Shape) is { } longer)
        {
            return Then(At(least, longer, rest, load), shape is RunShape ? "longer, with the fewest again" : "more, with the fewest again");
        }

        if (range.Rest is { MostSeconds: not null, RepSeconds: { } shortest } && rest!.RepSeconds > shortest)
        {
            return Then(At(most, shape, rest with { RepSeconds = Math.Max(shortest, rest.RepSeconds.Value - RestStepSeconds) }, load), "less rest");
        }

        if (range.Load is { Least: not null } top && load!.Amount < top.Amount)
        {
            return Then(At(most, shape, rest, load with { Amount = Math.Min(top.Amount, load.Amount + LoadStep) }), "more load");
        }

        return new(was, null, "the top of the range is reached: write a harder one");
    }

    // The size of a shape that can be a range: one stretch, a time, a count.
    private static (double Amount, string Unit)? Size(RepShape shape) => shape switch
    {
        RunShape { Segments: [{ IsTurn: false } only] } => (only.Length.Amount, only.Length.Symbol + only.Role),
        RunShape run => (run.Metres, ShorthandPrinter.ShapeText(run)),
        TimedShape time => (time.Seconds, "s"),
        CountShape count => (count.Count, count.Passes ? "passes" : "reps"),
        _ => null,
    };

    private static RepShape? Longer(RepShape now, RepShape most) => (now, most) switch
    {
        (RunShape { Segments: [var only] } run, RunShape { Segments: [var top] }) when only.Length.Amount < top.Length.Amount =>
            new RunShape([run.Segments[0] with { Length = only.Length with { Amount = Math.Min(top.Length.Amount, only.Length.Amount + 5) } }]),
        (TimedShape time, TimedShape top) when time.Seconds < top.Seconds => new TimedShape(Math.Min(top.Seconds, time.Seconds + (time.Seconds >= 60 ? 30 : 5))),
        (CountShape count, CountShape top) when count.Count < top.Count => count with { Count = Math.Min(top.Count, count.Count + 1) },
        _ => null,
    };
}
