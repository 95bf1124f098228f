using System.Globalization;
using System.Text;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Shorthand;

/// <summary>Writes a line back as shorthand; reading what was written gives the same line (docs/formats.md).</summary>
public static class ShorthandPrinter
{
    /// <summary>The line in shorthand.</summary>
    /// <param name="line">The line.</param>
    /// <param name="catalogue">Known exercises; null means those that ship with the program.</param>
    public static string Print(PlanLine line, ExerciseCatalogue? catalogue = null)
    {
        catalogue ??= ExerciseCatalogue.BuiltIn;
        var parts = new List<string>();
        var exercise = catalogue.Find(line.Exercise);
        if (line.Exercise is { } name)
        {
            parts.Add(exercise?.Name == name ? name : $"\"{name}\"");
        }

        parts.Add(Dose(line));
        AddIf(parts, line.EachSide, "each side");
        AddIf(parts, line.Effort is not null, EffortText(line.Effort));
        AddIf(parts, line.Goal is not null, GoalText(line.Goal));
        AddIf(parts, line.Start is not null, "from " + StartText(line.Start));
        AddIf(parts, line.Load is not null, LoadText(line.Load));
        AddIf(parts, line.Gates.Count > 0, "gates " + List(line.Gates));
        AddIf(parts, line.Through is not null, "through " + line.Through);
        AddIf(parts, line.Rest is not null, "rest " + RestText(line.Rest));
        AddIf(parts, line.Log.Count > 0, "log " + LogText(line));
        AddIf(parts, line.InWaves, "in waves");
        AddIf(parts, line.For.Count > 0, "for " + string.Join(", ", line.For.Select(Who)));
        AddIf(parts, line.Kind != PlanKinds.Derive(exercise, line.Exercise, line.Shape, line.Effort, line.Load, line.Goal), "as " + line.Kind.Word());
        AddIf(parts, line.Cue is not null, $"cue \"{line.Cue}\"");
        return string.Join(' ', parts);
    }

    /// <summary>Sets, reps and the shape of one rep.</summary>
    /// <param name="line">The line.</param>
    public static string Dose(PlanLine line)
    {
        var text = new StringBuilder();
        if (line.Sets > 1)
        {
            text.Append(CultureInfo.InvariantCulture, $"{Range(line.Least?.Sets, line.Sets)} x {Range(line.Least?.Reps, line.Reps)} x ");
        }
        else if (line.Reps > 1)
        {
            text.Append(CultureInfo.InvariantCulture, $"{Range(line.Least?.Reps, line.Reps)} x ");
        }

        return text.Append(ShapeText(line.Shape, line.Least?.Shape)).ToString();
    }

    /// <summary>A count, or a range of two.</summary>
    internal static string Range(int? least, int most) => (least is { } l ? l.ToString(CultureInfo.InvariantCulture) + "-" : "") + most.ToString(CultureInfo.InvariantCulture);

    // A range of one shape: 10-20 m, 20-30 s, 8-10 reps.
    internal static string ShapeText(RepShape shape, RepShape? least) => (shape, least) switch
    {
        (TimedShape most, TimedShape from) => from.Seconds % 60 == 0 && most.Seconds % 60 == 0 ? $"{Plain(from.Seconds / 60)}-{Plain(most.Seconds / 60)} min" : $"{Plain(from.Seconds)}-{Plain(most.Seconds)} s",
        (CountShape most, CountShape from) => $"{from.Count}-{ShapeText(most)}",
        (RunShape most, RunShape from) => $"{Plain(from.Segments[0].Length.Amount)}-{ShapeText(most)}",
        _ => ShapeText(shape),
    };

    /// <summary>The shape of one rep.</summary>
    /// <param name="shape">The shape.</param>
    public static string ShapeText(RepShape shape) => shape switch
    {
        TimedShape time => Duration(time.Seconds),
        CountShape count => $"{count.Count} {(count.Passes ? "passes" : count.Movement is { } does ? ShorthandWords.CountMovements.First(m => m.Value == does).Key : "reps")}",
        RunShape run => string.Join(" + ", run.Segments.Select((s, i) => SegmentText(run, i, s))),
        _ => throw new ArgumentOutOfRangeException(nameof(shape)),
    };

    /// <summary>Effort as written after the dose.</summary>
    /// <param name="effort">The effort, or null for an empty text.</param>
    public static string EffortText(Effort? effort) => effort switch
    {
        null => "",
        { Word: { } word } => word,
        { Shape: not EffortShape.Each } => $"@{Plain(effort.Percents[0])}-{Plain(effort.Percents[1])}%"
            + (effort.Shape == Effort.ShapeOf(effort.Percents[0], effort.Percents[1]) ? "" : effort.Shape == EffortShape.Rise ? " rising" : " between"),
        _ => "@" + string.Join(",", effort.Percents.Select(Plain)) + "%",
    };

    /// <summary>What a rep is to be done in, as written.</summary>
    /// <param name="goal">The goal, or null for an empty text.</param>
    public static string GoalText(LineGoal? goal) => goal switch
    {
        { AerobicPercent: { } percent } => $"{(goal.LeastPercent is { } least ? Plain(least) + "-" : "")}{Plain(percent)}% aerobic",
        { Seconds: { } seconds, MostSeconds: { } most } => seconds >= 60 ? $"in {Clock(seconds)}-{Clock(most)}" : $"in {Plain(seconds)}-{Plain(most)} s",
        { Seconds: { } seconds } => "in " + (seconds >= 60 && seconds == Math.Floor(seconds) ? Clock(seconds) : Plain(seconds) + " s"),
        _ => "",
    };

    /// <summary>Rest as written after "rest".</summary>
    /// <param name="rest">The rest, or null for an empty text.</param>
    public static string RestText(LineRest? rest) => rest switch
    {
        null or { WalkBack: false, EverySeconds: null, OfWork: null, Per: null, RepSeconds: null, SetSeconds: null } => "",
        { WalkBack: false, EverySeconds: null, OfWork: null, Per: null, RepSeconds: null, SetSeconds: { } only } => Clock(only) + " between sets",
        { SetSeconds: { } between } when rest is { WalkBack: true } or { EverySeconds: not null } or { OfWork: not null } or { MostSeconds: not null } => $"{RestText(rest with { SetSeconds = null })}/{Clock(between)}",
        { WalkBack: true, RepSeconds: { } after } => "walk-back + " + Clock(after),
        { WalkBack: true } => "walk-back",
        { EverySeconds: { } every } => "every " + Clock(every),
        { OfWork: { } share } => "1 to " + Plain(share),
        { Per: { } per } => Clock(rest.RepSeconds ?? 0) + "/" + per + (rest.SetSeconds is { } s ? "/" + Clock(s) : ""),
        { SetSeconds: { } sets } => Clock(rest.RepSeconds ?? 0) + "/" + Clock(sets),
        { MostSeconds: { } most } => Clock(rest.RepSeconds ?? 0) + "-" + Clock(most),
        _ => Clock(rest.RepSeconds ?? 0),
    };

    /// <summary>Measures as written after "log".</summary>
    /// <param name="line">The line they are asked on.</param>
    public static string LogText(PlanLine line) =>
        string.Join(", ", line.Log.Select(m => Measures.Of(m).Word + (m == MeasureKind.HeartRate && line.HeartRate is { } band ? $" {band}" : "")));

    /// <summary>Start as written after "from".</summary>
    /// <param name="start">The start, or null for an empty text.</param>
    public static string StartText(LineStart? start) => start is null
        ? ""
        : ShorthandWords.StartWord(start.Position)
            + (start.Side is { } side ? " " + side.ToString().ToLowerInvariant() : "")
            + (start.RunIn is { } run ? " " + run : "");

    /// <summary>Load as written.</summary>
    /// <param name="load">The load, or null for an empty text.</param>
    public static string LoadText(LineLoad? load)
    {
        if (load is null)
        {
            return "";
        }

        if (load.Kind == LoadKind.Lift)
        {
            if (load.Unit is LoadUnit.Light or LoadUnit.Medium or LoadUnit.Heavy)
            {
                return load.Unit.ToString().ToLowerInvariant();
            }

            return (load.Pieces > 1 ? load.Pieces.ToString(CultureInfo.InvariantCulture) + " x " : "") + (load.Least is { } light ? Plain(light) + "-" : "") + Plain(load.Amount) + load.Unit switch { LoadUnit.Kilogram => " kg", LoadUnit.Pound => " lb", LoadUnit.PercentBodyMass => "%bm", _ => "% max" };
        }

        var word = load.Kind.ToString().ToLowerInvariant();
        return load.Unit switch
        {
            LoadUnit.None => word,
            LoadUnit.Light or LoadUnit.Medium or LoadUnit.Heavy => word + " " + load.Unit.ToString().ToLowerInvariant(),
            _ when ShorthandWords.AimWords.FirstOrDefault(a => a.Value == load.Unit).Key is { } aim => $"{word} {aim}",
            LoadUnit.Kilogram => $"{word} {(load.Least is { } least ? Plain(least) + "-" : "")}{Plain(load.Amount)} kg",
            LoadUnit.Pound => $"{word} {(load.Least is { } least ? Plain(least) + "-" : "")}{Plain(load.Amount)} lb",
            LoadUnit.PercentBodyMass => $"{word} {(load.Least is { } least ? Plain(least) + "-" : "")}{Plain(load.Amount)}%bm",
            LoadUnit.PercentSpeed => $"{word} {(load.Amount >= 0 ? "+" : "")}{Plain(load.Amount)}%v",
            LoadUnit.PercentGrade => $"{word} {Plain(load.Amount)}%",
            _ => $"{word} {Plain(load.Amount)}deg",
        };
    }

    /// <summary>Distances with one unit where they share it: "5,10 yd".</summary>
    /// <param name="distances">The distances.</param>
    public static string List(IReadOnlyList<Distance> distances) => distances.Select(d => d.Unit).Distinct().Count() == 1
        ? string.Join(",", distances.Select(d => Plain(d.Amount))) + " " + distances[0].Symbol
        : string.Join(",", distances);

    private static string SegmentText(RunShape run, int index, RunSegment segment)
    {
        if (segment.Role is SegmentRole.Turn or SegmentRole.Cut)
        {
            return ShorthandWords.RoleWord(segment.Role) + " " + Plain(segment.AngleDegrees ?? 180)
                + (segment.Side is { } side ? " " + side.ToString().ToLowerInvariant() : "");
        }

        // The unit may stand once, on the last part, only when every part shares it.
        var shared = run.Segments.All(s => s.Length.Unit == segment.Length.Unit);
        var last = run.Segments.Skip(index + 1).All(s => s.Role is SegmentRole.Turn or SegmentRole.Cut);
        return Plain(segment.Length.Amount)
            + (!shared || last ? " " + segment.Length.Symbol : "")
            + (segment.Role == SegmentRole.Run ? "" : " " + ShorthandWords.RoleWord(segment.Role))
            + (segment.Movement is { } movement ? " " + ShorthandWords.MovementWord(movement) : "");
    }

    // A name is quoted unless it is a playing group: its words might be read as others.
    internal static string Who(string name) => ShorthandWords.Groups.Contains(name) ? name : $"\"{name}\"";

    private static string Duration(double seconds) => seconds >= 60 && seconds % 60 == 0 ? Plain(seconds / 60) + " min" : Plain(seconds) + " s";

    private static string Clock(double seconds) => seconds == Math.Floor(seconds) ? Figures.Clock(seconds) : Plain(seconds) + " s";

    private static string Plain(double value) => value.ToString("0.####", CultureInfo.InvariantCulture);

    private static void AddIf(List<string> parts, bool when, string text)
    {
        if (when)
        {
            parts.Add(text);
        }
    }
}
