using System.Globalization;
using InchBurst.Core.Log;
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
        Marks = [.. run.Marks.OrderBy(m => m.Millimetres).Select(m => new LoggedMark(new Distance(m.Amount, m.Unit), m.Seconds))],
    };

    public static Mark ToMark(this LoggedMark mark) => new()
    {
        Millimetres = mark.At.Millimetres,
        Amount = mark.At.Amount,
        Unit = mark.At.Unit,
        Seconds = mark.Seconds,
    };

    public static string MarksText(this Run run) => string.Join(
        ' ', run.Marks.OrderBy(m => m.Millimetres).Select(m => string.Create(CultureInfo.InvariantCulture, $"{m.Seconds:0.00##} at {new Distance(m.Amount, m.Unit)}")));
}
