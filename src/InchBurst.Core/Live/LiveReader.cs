using System.Globalization;
using System.Text.Json;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Load;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.School;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;

namespace InchBurst.Core.Live;

/// <summary>Reads what a device takes along, member by member, as <see cref="LiveJsonContext"/> writes it.</summary>
internal static class LiveReader
{
    /// <summary>A session with what it is held in, and its exercises.</summary>
    /// <exception cref="JsonException">What must stand in it is missing.</exception>
    public static LiveDocument Document(JsonElement e)
    {
        var exercises = e.Texts("exercises") ?? [];
        var chips = e.List("chips", Chip) ?? [];
        return new(State(e.GetProperty("state")), Setting(e.GetProperty("setting")) with { Catalogue = new(exercises.Select(ExerciseJson.Read)) { OwnChips = chips } }, exercises, e.MustText("by"), e.Flag("isCoach")) { Chips = chips, Hidden = e.Texts("hidden") ?? [] };
    }

    /// <summary>A session.</summary>
    /// <exception cref="JsonException">What must stand in it is missing.</exception>
    public static LiveState State(JsonElement e) => new()
    {
        Plan = PlanJson.Read(e.MustText("plan")),
        Day = DateOnly.FromDateTime(e.GetProperty("day").GetDateTime()),
        State = (SessionState)e.MustWhole("state"),
        StartedAt = e.Moment("startedAt"),
        EndedAt = e.Moment("endedAt"),
        LineId = e.Whole("lineId"),
        Round = e.MustWhole("round"),
        LineFrom = e.Moment("lineFrom"),
        Called = e.Whole("called"),
        Lanes = e.MustWhole("lanes"),
        Usual = Timing(e.GetProperty("usual")),
        Timings = Timings(e) ?? [],
        People = e.List("people", Person) ?? [],
        Runs = e.List("runs", Run) ?? [],
        Gates = e.List("gates", Gate) ?? [],
        Done = e.List("done", d => d.GetGuid()) ?? [],
    };

    /// <summary>What changed.</summary>
    /// <exception cref="JsonException">What must stand in it is missing.</exception>
    public static LiveChange Change(JsonElement e) => new()
    {
        State = (SessionState)e.MustWhole("state"),
        StartedAt = e.Moment("startedAt"),
        EndedAt = e.Moment("endedAt"),
        LineId = e.Whole("lineId"),
        Round = e.MustWhole("round"),
        LineFrom = e.Moment("lineFrom"),
        Called = e.Whole("called"),
        Lanes = e.MustWhole("lanes"),
        Plan = e.Text("plan") is { } plan ? PlanJson.Read(plan) : null,
        Timings = Timings(e),
        Usual = e.At("usual") is { } usual ? Timing(usual) : null,
        People = e.List("people", Person) ?? [],
        Runs = e.List("runs", Run) ?? [],
        IsWide = e.Flag("isWide"),
    };

    private static LiveSetting Setting(JsonElement e) => new()
    {
        Athletes = e.List("athletes", Athlete) ?? [],
        Pace = Curve(e.GetProperty("pace")),
        School = School(e.GetProperty("school")),
        WindowSeconds = e.MustNumber("windowSeconds"),
        StartIntervalSeconds = e.MustNumber("startIntervalSeconds"),
        ChangeoverSeconds = e.MustNumber("changeoverSeconds"),
        Kit = e.Values("kit", v => v.GetInt32())?.ToDictionary(k => Enum.Parse<LimitedKit>(k.Key), k => k.Value) ?? [],
        Friction = e.At("friction") is { } friction ? new(friction.MustNumber("mu"), friction.MustNumber("spread"), friction.Flag("isMeasured")) : null,
        Sled = e.At("sled") is { } sled ? new(sled.MustNumber("sledKilograms"), sled.Numbers("plates") ?? []) : null,
        DistanceUnit = (DistanceUnit)e.MustWhole("distanceUnit"),
        MassUnit = (MassReading)e.MustWhole("massUnit"),
        SpeedUnit = (SpeedReading)e.MustWhole("speedUnit"),
    };

    private static LiveAthlete Athlete(JsonElement e) => new(e.MustWhole("id"), e.MustText("name"))
    {
        Group = e.Text("group"),
        OwnGroups = e.Texts("ownGroups") ?? [],
        Availability = (Availability)e.MustWhole("availability"),
        AvailabilityReason = e.MustText("availabilityReason"),
        AvailabilitySaidBy = e.MustText("availabilitySaidBy"),
        Curve = e.At("curve") is { } curve ? Curve(curve) : null,
        MassKilograms = e.Number("massKilograms"),
        AerobicSpeed = e.Number("aerobicSpeed"),
        Line = e.At("line") is { } line ? Line(line) : null,
        BestSpeed = e.Number("bestSpeed"),
        Seen = e.Values("seen", v => v.GetInt32()) ?? [],
        IsYoung = e.Flag("isYoung"),
        Reactions = e.Numbers("reactions") ?? [],
        Bests = e.List("bests", b => new KnownBest(b.MustText("key"), b.MustWhole("from"), b.MustWhole("to"), b.MustNumber("seconds"))) ?? [],
        Measured = e.List("measured", m => new KnownMeasure(m.MustText("exercise"), (MeasureKind)m.MustWhole("kind"), m.MustNumber("value"))) ?? [],
        Ranges = e.List("ranges", r => new KnownRanges(r.MustWhole("line"), SideOf(r), r.List("ranges", Range) ?? [])) ?? [],
    };

    private static StretchRange Range(JsonElement e) => new(e.MustWhole("fromMillimetres"), e.MustWhole("toMillimetres"), e.MustNumber("fastest"), e.MustNumber("slowest"), e.MustWhole("runs"));

    private static LoadLine Line(JsonElement e) => new(
        e.MustNumber("free"), e.MustNumber("slope"), e.MustNumber("bend"), e.MustNumber("r2"), e.MustNumber("freeError"), e.MustNumber("slopeError"), e.MustNumber("covariance"), e.MustWhole("runs"), e.MustNumber("least"), e.MustNumber("most"), e.MustNumber("t"));

    private static SprintCurve Curve(JsonElement e) => new(e[0].GetDouble(), e[1].GetDouble());

    private static CoachingSchool School(JsonElement e) => new(e.MustText("name"), e.MustText("about"), e.Values("values", v => new SchoolValue(v.MustNumber("value"), v.MustText("reason"))) ?? []);

    private static Observation Chip(JsonElement e) => new(e.MustText("code"), (RunPhase)e.MustWhole("phase"), e.MustText("says"), e.Texts("drills") ?? [], e.Flag("isGood"), e.Flag("stopsFullEfforts"));

    private static LineTiming Timing(JsonElement e) =>
        new((TimingMethod)e.MustWhole("method"), (StartTrigger)e.MustWhole("trigger"), e.MustNumber("startBehindGateMetres"), (EntryMode)e.MustWhole("entry"), e.Flag("startSaid")) { Surface = (Surface)e.MustWhole("surface"), Setting = SettingOf(e) };

    private static RunSetting SettingOf(JsonElement e) => e.At("setting") is { } s ? new((Shoes)(s.Whole("shoes") ?? 0), s.Number("windMetresPerSecond"), s.Number("altitudeMetres")) : RunSetting.None;

    private static Dictionary<int, LineTiming>? Timings(JsonElement e) => e.Values("timings", Timing)?.ToDictionary(t => int.Parse(t.Key, CultureInfo.InvariantCulture), t => t.Value);

    private static LivePerson Person(JsonElement e) => new(e.MustWhole("athleteId"), e.MustText("name"), e.MustWhole("order"))
    {
        Present = e.Flag("present"),
        DoneReason = e.Text("doneReason"),
        HeldReason = e.Text("heldReason"),
        Holds = e.MustWhole("holds"),
        AllowedBy = e.MustText("allowedBy"),
        OtherWork = e.Text("otherWork"),
        OtherWorkLineId = e.Whole("otherWorkLineId"),
    };

    private static LiveRun Run(JsonElement e) => new()
    {
        Id = e.GetProperty("id").GetGuid(),
        Number = e.GetProperty("number").GetInt64(),
        AthleteId = e.MustWhole("athleteId"),
        LineId = e.MustWhole("lineId"),
        Rep = e.MustWhole("rep"),
        Outcome = (RunOutcome)e.MustWhole("outcome"),
        FinishedAt = e.GetProperty("finishedAt").GetDateTime(),
        What = Logged(e.GetProperty("what")),
        Conflict = e.Text("conflict"),
        Picked = e.MustText("picked"),
        By = e.MustText("by"),
        IsTakenBack = e.Flag("isTakenBack"),
        Readings = e.List("readings", Reading) ?? [],
        Seen = e.Texts("seen") ?? [],
        Measures = e.List("measures", m => new Measured((MeasureKind)m.MustWhole("kind"), m.MustNumber("value"))) ?? [],
    };

    private static LoggedRun Logged(JsonElement e) => new()
    {
        Id = e.GetProperty("id").GetInt64(),
        Day = DateOnly.FromDateTime(e.GetProperty("day").GetDateTime()),
        Kind = (WorkKind)e.MustWhole("kind"),
        Effort = e.MustNumber("effort"),
        Method = (TimingMethod)e.MustWhole("method"),
        Trigger = (StartTrigger)e.MustWhole("trigger"),
        Start = e.Whole("start") is { } start ? (StartPosition)start : null,
        StartBehindGateMetres = e.MustNumber("startBehindGateMetres"),
        StartSaid = e.Flag("startSaid"),
        RunInMetres = e.Number("runInMetres"),
        Course = e.MustText("course"),
        Load = e.MustText("load"),
        Surface = (Surface)e.MustWhole("surface"),
        Setting = SettingOf(e),
        ReactionSeconds = e.Number("reactionSeconds"),
        Zone = e.At("zone") is { } zone ? (zone.MustWhole("item1"), zone.MustWhole("item2")) : null,
        Marks = e.List("marks", Mark) ?? [],
        Side = SideOf(e),
    };

    private static LiveReading Reading(JsonElement e) =>
        new(e.GetProperty("id").GetGuid(), e.MustText("by"), (TimingMethod)e.MustWhole("method"), (StartTrigger)e.MustWhole("trigger"), e.List("marks", Mark) ?? [], e.GetProperty("at").GetDateTime()) { Number = e.GetProperty("number").GetInt64(), IsTakenBack = e.Flag("isTakenBack") };

    private static LoggedMark Mark(JsonElement e) => new(e.GetProperty("at").Distance(), e.MustNumber("seconds"));

    private static LiveGate Gate(JsonElement e) =>
        new(e.MustWhole("number"), e.MustWhole("lane"), e.List("passes", p => new GatePass(p.MustWhole("gate"), p.MustNumber("milliseconds"), p.Whole("lane") ?? 0, p.Whole("clock") ?? 0)) ?? [], e.At("usedFor")?.GetGuid())
        {
            Start = e.At("start") is { } start ? new(start.Number("goMilliseconds"), start.Number("movedMilliseconds")) : null,
        };

    private static Side? SideOf(JsonElement e) => e.Whole("side") is { } side ? (Side)side : null;
}
