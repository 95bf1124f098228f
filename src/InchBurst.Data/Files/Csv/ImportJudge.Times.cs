using System.Text.RegularExpressions;
using InchBurst.Core.Demand;
using InchBurst.Core.Units;

namespace InchBurst.Data.Files.Csv;

/// <summary>Times, one a row or one athlete a row.</summary>
internal sealed partial class ImportJudge
{
    private void Times()
    {
        var groups = new Dictionary<(int Who, DateOnly Day, string Session, int Rep), (CsvRow First, List<(Distance At, double Seconds)> Marks, double Effort, TimingMethod Method)>();
        var auto = new Dictionary<(int, DateOnly, string, int), int>();
        foreach (var row in sheet.Rows)
        {
            bad = false;
            var (who, day) = (Who(row), DayOf(row));
            var at = Cells.Length(Cell(row, "distance"), known.Unit);
            if (at is null)
            {
                Say(row, "distance", $"“{Cell(row, "distance")}” is no distance, such as 30 or 30 m.");
            }

            var seconds = SecondsIn(row, "seconds", Cell(row, "seconds"));
            var rep = (int?)Within(row, "rep", Cells.Number(Cell(row, "rep")), 1, 200, "attempt");
            var effort = Within(row, "effort", Cells.Number(Cell(row, "effort").TrimEnd('%', ' ')), 1, 120, "effort in percent") ?? 100;
            var method = Cell(row, "method").ToLowerInvariant() switch { "hand" or "manual" or "stopwatch" => TimingMethod.Hand, _ => TimingMethod.Electronic };
            if (bad || who is null || day is null || at is null || seconds is null)
            {
                bad = true;
                Put(row, RowFate.Wrong, string.Join(", ", row.Cells.Where(c => c.Length > 0).Take(4)), null);
                continue;
            }

            var session = Short(Cell(row, "session"), 80);
            var attempt = rep ?? 0;
            if (attempt == 0)
            {
                // Without an attempt each further time over the same distance is the next one.
                var key = (who.Value, day.Value, session, at.Value.Millimetres);
                attempt = auto[key] = auto.GetValueOrDefault(key) + 1;
            }

            var group = (who.Value, day.Value, session, attempt);
            if (!groups.TryGetValue(group, out var run))
            {
                groups[group] = run = (row, [], effort, method);
            }

            if (run.Marks.Any(m => m.At.Millimetres == at.Value.Millimetres))
            {
                rows.Add(new(row.Line, RowFate.Same, $"{NameOf(who)}, {at}: a second time for one attempt", null));
                continue;
            }

            run.Marks.Add((at.Value, seconds.Value));
        }

        foreach (var ((who, day, session, rep), run) in groups)
        {
            bad = false;
            PutRun(run.First, new(who, day, session, rep, [.. run.Marks.OrderBy(m => m.At.Millimetres)], run.Effort, run.Method));
        }
    }

    private void PutRun(CsvRow row, TimesItem item)
    {
        for (var i = 1; i < item.Marks.Count; i++)
        {
            if (item.Marks[i].Seconds <= item.Marks[i - 1].Seconds)
            {
                Say(row, "seconds", $"{item.Marks[i].Seconds:0.00} s at {item.Marks[i].At} is not later than {item.Marks[i - 1].Seconds:0.00} s at {item.Marks[i - 1].At}.");
                break;
            }
        }

        var (last, seconds) = item.Marks[^1];
        if (!bad && last.Metres / seconds > 12.5)
        {
            Say(row, "seconds", $"{seconds:0.00} s over {last} is quicker than anybody runs. Is it the time from the start?");
        }

        var isThere = known.Runs.Contains((item.AthleteId, item.Day, last.Millimetres, (int)Math.Round(seconds * 100)));
        Put(row, isThere ? RowFate.Same : RowFate.New, string.Create(System.Globalization.CultureInfo.InvariantCulture, $"{NameOf(item.AthleteId)}, {item.Day:d MMM yyyy}: {string.Join(", ", item.Marks.Select(m => $"{m.At} {m.Seconds:0.00}"))}{(isThere ? " is there already" : "")}"), item);
    }

    private double? SecondsIn(CsvRow row, string field, string cell)
    {
        var seconds = Cells.Seconds(cell);
        if (seconds is not (> 0.5 and < 3600))
        {
            Say(row, field, $"“{cell}” is no time, such as 4.52 or 1:04.5.");
            return null;
        }

        return seconds;
    }

    [System.Diagnostics.CodeAnalysis.SuppressMessage("Performance", "CA1859", Justification = "A list of columns is read, not changed.")]
    private void Wide(CsvRow row)
    {
        var (who, day) = (Who(row), DayOf(row));
        var isBad = bad;
        var count = new Dictionary<int, int>();
        for (var i = 0; i < columns.Count; i++)
        {
            if (columns[i].Length > 0 || Trial().Match(sheet.Header[i]) is not { Success: true } heading || Cells.Length(heading.Groups[1].Value + heading.Groups[2].Value, known.Unit) is not { } at)
            {
                continue;
            }

            var cell = i < row.Cells.Count ? row.Cells[i] : "";
            var attempt = count[at.Millimetres] = heading.Groups[3].Success ? int.Parse(heading.Groups[3].ValueSpan, System.Globalization.CultureInfo.InvariantCulture) : count.GetValueOrDefault(at.Millimetres) + 1;
            if (cell.Length == 0 || cell is "-" or "–" or "x" or "X" or "DNS" or "DNF")
            {
                continue;
            }

            bad = isBad;
            var seconds = SecondsIn(row, sheet.Header[i], cell);
            if (who is null || day is null || seconds is null)
            {
                bad = true;
                Put(row, RowFate.Wrong, $"{Cell(row, "athlete")}, {sheet.Header[i]}: {cell}", null);
                continue;
            }

            PutRun(row, new(who.Value, day.Value, "", attempt, [(at, seconds.Value)], 100, TimingMethod.Electronic));
        }
    }

    // 30 m, 30m (2), 10 #3, 40 yd 2
    [GeneratedRegex(@"^\s*(?:sprint\s*)?(\d{1,4}(?:[.,]\d{1,2})?)\s*(m|yd|metres?|meters?|yards?|ft)?(?:\s*(?:sprint|time|s))?\s*(?:[(#_ -]\s*(?:attempt|trial|run|try|no\.?)?\s*(\d{1,2})\)?)?\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex Trial();
}
