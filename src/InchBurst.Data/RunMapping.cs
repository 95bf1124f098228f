using System.Globalization;
using System.Text.Json;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;
using InchBurst.Data.Entities;

namespace InchBurst.Data;

/// <summary>Between stored runs and the core's.</summary>
public static class RunMapping
{
    public static LoggedRun ToLogged(this Run run) => new()
    {
        Id = run.Id,
        Day = run.Day,
        Kind = run.Kind,
        Effort = run.Effort,
        Method = run.Method,
        Trigger = run.Trigger,
        Start = run.Start,
        StartBehindGateMetres = run.StartBehindGateMetres,
        Side = run.Side,
        Marks = [.. run.Marks.OrderBy(m => m.Millimetres).Select(m => new LoggedMark(new Distance(m.Amount, m.Unit), m.Seconds))],
    };

    public static Mark ToMark(this LoggedMark mark) => new()
    {
        Millimetres = mark.At.Millimetres,
        Amount = mark.At.Amount,
        Unit = mark.At.Unit,
        Seconds = mark.Seconds,
    };

    public static Reading ToReading(this RunReading reading) => new(
        reading.By, reading.Method, reading.Trigger,
        [.. JsonSerializer.Deserialize<List<StoredMark>>(reading.MarksJson)!.Select(m => new LoggedMark(new Distance(m.Amount, m.Unit), m.Seconds))],
        DateTime.SpecifyKind(reading.FinishedAt, DateTimeKind.Utc));

    public static string MarksJson(IEnumerable<LoggedMark> marks) => JsonSerializer.Serialize(marks.Select(m => new StoredMark(m.At.Amount, m.At.Unit, m.Seconds)));

    /// <summary>How a line of a session is timed: as set for it, or as set last.</summary>
    public static LineTiming TimingOf(this TrainingSession session, int lineId) =>
        Timings(session).TryGetValue(lineId, out var own) ? own : new(session.Method, session.Trigger, session.StartBehindGateMetres);

    /// <summary>Sets how a line is timed; the next lines take it over until they are set themselves, but for the way of typing.</summary>
    public static void SetTiming(this TrainingSession session, int lineId, LineTiming timing)
    {
        var all = Timings(session);
        all[lineId] = timing;
        session.LineTimingJson = JsonSerializer.Serialize(all);
        (session.Method, session.Trigger, session.StartBehindGateMetres) = (timing.Method, timing.Trigger, timing.StartBehindGateMetres);
    }

    private static Dictionary<int, LineTiming> Timings(TrainingSession session) =>
        session.LineTimingJson.Length == 0 ? [] : JsonSerializer.Deserialize<Dictionary<int, LineTiming>>(session.LineTimingJson)!;

    private sealed record StoredMark(double Amount, DistanceUnit Unit, double Seconds);

    public static string MarksText(this Run run) => string.Join(
        ' ', run.Marks.OrderBy(m => m.Millimetres).Select(m => string.Create(CultureInfo.InvariantCulture, $"{m.Seconds:0.00##} at {new Distance(m.Amount, m.Unit)}")));
}
