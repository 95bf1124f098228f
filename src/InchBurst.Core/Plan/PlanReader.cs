using System.Text.Json;
using InchBurst.Core.Units;

namespace InchBurst.Core.Plan;

/// <summary>Reads the plan document of today's form, member by member (docs/formats.md).</summary>
internal static class PlanReader
{
    /// <summary>A plan.</summary>
    /// <exception cref="JsonException">What must stand in a plan is missing.</exception>
    public static SessionPlan Plan(JsonElement e) => new(e.MustWhole("version"), e.List("blocks", Block) ?? throw new JsonException("\"blocks\" is missing."), e.MustWhole("lastId"));

    /// <summary>A load.</summary>
    public static LineLoad Load(JsonElement e) => new(e.GetProperty("kind").Name<LoadKind>(), e.MustNumber("amount"), e.GetProperty("unit").Name<LoadUnit>()) { Least = e.Number("least"), Pieces = e.Whole("pieces") ?? 1 };

    private static PlanBlock Block(JsonElement e) =>
        new(e.MustWhole("id"), e.MustText("title"), e.List("lines", Line) ?? throw new JsonException("\"lines\" is missing."), e.Whole("rounds") ?? 1, e.Number("roundRestSeconds"), e.Flag("stations"));

    private static PlanLine Line(JsonElement e) => new()
    {
        Id = e.Whole("id") ?? 0,
        Kind = e.GetProperty("kind").Name<WorkKind>(),
        Exercise = e.Text("exercise"),
        Sets = e.Whole("sets") ?? 1,
        Reps = e.Whole("reps") ?? 1,
        Shape = Shape(e.GetProperty("shape")),
        Effort = e.At("effort") is { } effort ? new(effort.Numbers("percents") ?? throw new JsonException("\"percents\" is missing."), effort.Named<EffortShape>("shape") ?? EffortShape.Each, effort.Text("word")) : null,
        Goal = e.At("goal") is { } goal ? new(goal.Number("seconds"), goal.Number("mostSeconds"), goal.Number("aerobicPercent"), goal.Number("leastPercent")) : null,
        Start = e.At("start") is { } start ? new(start.GetProperty("position").Name<StartPosition>(), start.Named<Side>("side"), start.Length("runIn")) : null,
        Rest = e.At("rest") is { } rest ? new(rest.Number("repSeconds"), rest.Number("setSeconds"), rest.Length("per"), rest.Flag("walkBack")) { MostSeconds = rest.Number("mostSeconds"), OfWork = rest.Number("ofWork"), EverySeconds = rest.Number("everySeconds") } : null,
        Least = e.At("least") is { } least ? new(least.Whole("sets"), least.Whole("reps"), least.At("shape") is { } shape ? Shape(shape) : null) : null,
        Load = e.At("load") is { } load ? Load(load) : null,
        Gates = e.List("gates", JsonRead.Distance) ?? [],
        Through = e.Length("through"),
        EachSide = e.Flag("eachSide"),
        InWaves = e.Flag("inWaves"),
        Log = e.List("log", JsonRead.Name<MeasureKind>) ?? [],
        HeartRate = e.At("heartRate") is { } heart ? new(heart.MustWhole("least"), heart.MustWhole("most")) : null,
        For = e.Texts("for") ?? [],
        Cue = e.Text("cue"),
    };

    private static RepShape Shape(JsonElement e) => e.MustText("is") switch
    {
        "run" => new RunShape(e.List("segments", Segment) ?? throw new JsonException("\"segments\" is missing.")),
        "time" => new TimedShape(e.MustNumber("seconds")),
        "count" => new CountShape(e.MustWhole("count"), e.Flag("passes"), e.Named<Motion>("movement")),
        var other => throw new JsonException($"No rep is of the shape {other}."),
    };

    private static RunSegment Segment(JsonElement e) => new(e.GetProperty("length").Distance(), e.GetProperty("role").Name<SegmentRole>(), e.Number("angleDegrees"), e.Named<Side>("side"), e.Named<Motion>("movement"));
}
