using System.Globalization;
using System.Text.Json;
using InchBurst.Core.Demand;
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
        StartSaid = run.StartSaid,
        RunInMetres = run.RunInMetres,
        Course = run.Course.Length > 0 ? run.Course : Trial.Straight,
        Load = run.Load,
        Surface = run.Surface,
        Setting = new(run.Shoes, run.Wind, run.Altitude),
        ReactionSeconds = run.Reaction,
        Zone = run.ZoneFrom is { } from && run.ZoneTo is { } to ? (from, to) : null,
        Side = run.Side,
        Marks = [.. run.Marks.OrderBy(m => m.Millimetres).Select(m => new LoggedMark(new Distance(m.Amount, m.Unit), m.Seconds))],
    };

    /// <summary>Writes into a run what its line asks: the part of its trial that timing does not tell.</summary>
    public static void SetDemand(this Run run, LineDemand demand)
    {
        run.Course = Trial.CourseKey(demand.Course);
        run.Load = Trial.LoadKey(demand.AppliedLoad);
        run.Start = demand.Line.Start?.Position;
        run.RunInMetres = demand.Line.Start?.RunIn?.Metres;
        var zone = LineMarks.Zone(demand);
        (run.ZoneFrom, run.ZoneTo) = (zone?.From.Millimetres, zone?.To.Millimetres);
    }

    /// <summary>Works out anew what is kept of a run's marks: its stretches and its top speed. A run out of the book keeps none.</summary>
    public static void Settle(this Run run)
    {
        var logged = run.Marks.Count == 0 || run.DeletedAt is not null ? null : run.ToLogged();
        run.FlyingSpeed = logged?.FastestFlying?.MeanSpeed;
        var kept = logged is null || run.Outcome != RunOutcome.Timed ? [] : Stretches.Of(logged);
        run.Stretches.RemoveAll(s => kept.All(k => (k.Key, k.FromMillimetres, k.ToMillimetres) != (s.Key, s.FromMillimetres, s.ToMillimetres)));
        var air = logged is null ? null : StillAir.Of(logged);
        foreach (var stretch in kept)
        {
            var row = run.Stretches.FirstOrDefault(s => (s.Key, s.FromMillimetres, s.ToMillimetres) == (stretch.Key, stretch.FromMillimetres, stretch.ToMillimetres));
            if (row is null)
            {
                row = new() { Key = stretch.Key, FromMillimetres = stretch.FromMillimetres, ToMillimetres = stretch.ToMillimetres };
                run.Stretches.Add(row);
            }

            (row.AthleteId, row.Seconds, row.Effort, row.Day, row.FinishedAt) = (run.AthleteId, stretch.Seconds, run.Effort, run.Day, run.FinishedAt);
            row.Air = air?.Seconds(stretch.FromMillimetres / 1000.0, stretch.ToMillimetres / 1000.0);
            row.Reaction = logged is { Trigger: StartTrigger.Gun, ReactionSeconds: { } reaction } && stretch.FromMillimetres == 0 ? -reaction : null;
        }
    }

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
    public static LineTiming TimingOf(this TrainingSession session, int lineId) => session.Timings().GetValueOrDefault(lineId, session.UsualTiming()).In(session.UsualTiming());

    /// <summary>How lines are timed that were not set themselves.</summary>
    public static LineTiming UsualTiming(this TrainingSession session) => new(session.Method, session.Trigger, session.StartBehindGateMetres, StartSaid: session.StartSaid) { Surface = session.Surface, Setting = new(session.Shoes, session.Wind, session.Altitude) };

    /// <summary>How lines are timed that were.</summary>
    public static Dictionary<int, LineTiming> Timings(this TrainingSession session) =>
        session.LineTimingJson.Length == 0 ? [] : JsonSerializer.Deserialize<Dictionary<int, LineTiming>>(session.LineTimingJson)!;

    /// <summary>Sets how lines are timed.</summary>
    public static void SetTimings(this TrainingSession session, IReadOnlyDictionary<int, LineTiming> timings, LineTiming usual)
    {
        session.LineTimingJson = JsonSerializer.Serialize(timings);
        (session.Method, session.Trigger, session.StartBehindGateMetres, session.StartSaid) = (usual.Method, usual.Trigger, usual.StartBehindGateMetres, usual.StartSaid);
    }

    /// <summary>Sets a run's marks. Those that stay keep their row: removing and adding a row of the same key in one save would clash.</summary>
    public static void SetMarks(this Run run, IReadOnlyList<LoggedMark> marks)
    {
        run.Marks.RemoveAll(m => marks.All(k => k.At.Millimetres != m.Millimetres));
        foreach (var mark in marks)
        {
            if (run.Marks.FirstOrDefault(m => m.Millimetres == mark.At.Millimetres) is { } known)
            {
                known.Seconds = mark.Seconds;
            }
            else
            {
                run.Marks.Add(mark.ToMark());
            }
        }
    }

    private sealed record StoredMark(double Amount, DistanceUnit Unit, double Seconds);

    public static string MarksText(this Run run) => string.Join(
        ' ', run.Marks.OrderBy(m => m.Millimetres).Select(m => string.Create(CultureInfo.InvariantCulture, $"{m.Seconds:0.00##} at {new Distance(m.Amount, m.Unit)}")));
}
