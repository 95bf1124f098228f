using System.Text.RegularExpressions;
using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Data.Files.Csv;

/// <summary>Times, one a row or one athlete a row.</summary>
internal sealed partial class ImportJudge
{
    // A run as rows tell it, piece by piece.
    private sealed class Told(CsvRow first, RunItem item)
    {
        public CsvRow First { get; } = first;

        public RunItem Item { get; } = item;

        public List<LoggedMark> Marks { get; } = [];

        public List<Measured> Measured { get; } = [];
    }

    // Times and measured values: rows that share a run's number, or athlete, day, session, line and attempt, are one run.
    private void Runs()
    {
        var told = new Dictionary<string, Told>();
        var auto = new Dictionary<string, int>();
        foreach (var row in sheet.Rows)
        {
            bad = false;
            var (who, day, squad) = (Who(row), DayOf(row), SquadOf(row));
            var (name, rep) = (Short(Cell(row, "session"), 80), (int?)Within(row, "rep", Cells.Number(Cell(row, "rep")), 0, 200, "attempt"));
            var (work, line, place) = day is null ? ("", null, null) : WorkOf(row, squad, day.Value, name);
            var outcome = Word<RunOutcome>(row, "outcome") ?? (kind.Key == "measures" ? RunOutcome.Measured : RunOutcome.Timed);
            var hasTime = kind.Key == "times" && (outcome == RunOutcome.Timed || Cell(row, "distance").Length + Cell(row, "seconds").Length > 0);
            LoggedMark? mark = hasTime ? MarkOf(row) : null;
            Measured? measured = kind.Key == "measures" ? MeasuredOf(row, line) : null;
            var method = Cell(row, "method").ToLowerInvariant() switch { "hand" or "manual" or "stopwatch" => TimingMethod.Hand, "film" or "video" => TimingMethod.Film, _ => TimingMethod.Electronic };
            var item = new RunItem(who ?? 0, day ?? default, squad.Id, name, rep ?? 0)
            {
                Place = place,
                IsNumbered = rep is not null,
                Work = work,
                Outcome = outcome,
                Effort = Within(row, "effort", Cells.Number(Cell(row, "effort").TrimEnd('%', ' ')), 1, 120, "effort in percent") ?? line?.Effort?.OfRep(Math.Max(0, (rep ?? 1) - 1)) ?? 100,
                Method = method,
                Trigger = Word<StartTrigger>(row, "trigger") ?? (method == TimingMethod.Hand ? StartTrigger.Gun : StartTrigger.FirstGate),
                Side = Word<Side>(row, "side"),
                Surface = Word<Surface>(row, "surface") ?? Surface.Unsaid,
                Setting = new(Word<Shoes>(row, "shoes") ?? Shoes.Unsaid, Within(row, "wind", Cells.Number(Cell(row, "wind")), -10, 10, "wind in m/s"), Within(row, "altitude", Cells.Number(Cell(row, "altitude")), 0, 4000, "height in m")),
                Reaction = Within(row, "reaction", Cells.Number(Cell(row, "reaction")), 0, 2, "reaction in s"),
                Finished = FinishedOf(row),
            };
            if (bad)
            {
                Put(row, RowFate.Wrong, string.Join(", ", row.Cells.Where(c => c.Length > 0).Take(4)), null);
                continue;
            }

            var same = $"{who}|{day}|{squad.Id}|{name}|{work}|{place?.Line}";
            if (rep is null && Cell(row, "run").Length == 0)
            {
                // Without an attempt each further time over the same distance, or value of the same measure, is the next one.
                var what = $"{same}|{mark?.At.Millimetres}|{measured?.Kind}";
                auto[what] = auto.GetValueOrDefault(what) + 1;
                item = item with { Rep = auto[what] };
            }

            var key = Cell(row, "run") is { Length: > 0 } number ? $"{who}|#{number}" : $"{same}|{item.Rep}";
            if (!told.TryGetValue(key, out var run))
            {
                told[key] = run = new(row, item with { Rep = rep ?? Math.Max(1, item.Rep) });
            }

            if ((mark is { } at && run.Marks.Any(m => m.At.Millimetres == at.At.Millimetres)) || (measured is { } value && run.Measured.Any(m => m.Kind == value.Kind)))
            {
                rows.Add(new(row.Line, RowFate.Same, $"{NameOf(who)}, {mark?.At.ToString() ?? work}: a second time for one attempt", null));
                continue;
            }

            run.Marks.AddRange(mark is { } m ? [m] : []);
            run.Measured.AddRange(measured is { } v ? [v] : []);
        }

        foreach (var run in told.Values)
        {
            bad = false;
            PutRun(run.First, run.Item with { Marks = [.. run.Marks.OrderBy(m => m.At.Millimetres)], Measured = run.Measured });
        }
    }

    private LoggedMark? MarkOf(CsvRow row)
    {
        var at = Cells.Length(Cell(row, "distance"), known.Unit);
        if (at is null)
        {
            Say(row, "distance", $"“{Cell(row, "distance")}” is no distance, such as 30 or 30 m.");
        }

        return SecondsIn(row, "seconds", Cell(row, "seconds")) is { } seconds && at is { } place ? new(place, seconds) : null;
    }

    private DateTime? FinishedOf(CsvRow row)
    {
        var cell = Cell(row, "finished");
        if (cell.Length == 0)
        {
            return null;
        }

        if (DateTime.TryParse(cell, System.Globalization.CultureInfo.InvariantCulture, System.Globalization.DateTimeStyles.AdjustToUniversal | System.Globalization.DateTimeStyles.AssumeUniversal, out var at))
        {
            return at;
        }

        Say(row, "finished", $"“{cell}” is no moment, such as 2026-03-14T17:02:11Z.");
        return null;
    }

    private void PutRun(CsvRow row, RunItem item)
    {
        for (var i = 1; i < item.Marks.Count; i++)
        {
            if (item.Marks[i].Seconds <= item.Marks[i - 1].Seconds)
            {
                Say(row, "seconds", $"{item.Marks[i].Seconds:0.00} s at {item.Marks[i].At} is not later than {item.Marks[i - 1].Seconds:0.00} s at {item.Marks[i - 1].At}.");
                break;
            }
        }

        var last = item.Marks.Count == 0 ? (LoggedMark?)null : item.Marks[^1];
        if (!bad && last is { } far && far.At.Metres / far.Seconds > 12.5)
        {
            Say(row, "seconds", $"{far.Seconds:0.00} s over {far.At} is quicker than anybody runs. Is it the time from the start?");
        }

        var hundredths = last is { } end ? (int)Math.Round(end.Seconds * 100) : 0;
        var says = string.Create(System.Globalization.CultureInfo.InvariantCulture, $"{NameOf(item.AthleteId)}, {item.Day:d MMM yyyy}: {string.Join(", ", item.Marks.Select(m => $"{m.At} {m.Seconds:0.00}").Concat(item.Measured.Select(m => $"{Measures.Of(m.Kind).Word} {Measures.Text(m, DistanceUnit.Metre, MassReading.Kilogram)}")).DefaultIfEmpty(CsvOut.Words(item.Outcome)))}");
        if (item.Place is { } place)
        {
            PutAt(row, item, place, says, last?.At.Millimetres ?? 0, hundredths);
            return;
        }

        var isThere = last is { } mark && known.Runs.Contains((item.AthleteId, item.Day, mark.At.Millimetres, hundredths));
        Put(row, isThere ? RowFate.Same : RowFate.New, says + (isThere ? " is there already" : ""), item);
    }

    // A rep of a session that is there: new, the same, more of it, or another than the one that is there.
    private void PutAt(CsvRow row, RunItem item, (int Session, int Line) place, string says, int millimetres, int hundredths)
    {
        // Without a number it is the attempt that has these figures, else the next that is free.
        for (var next = item.Rep; !item.IsNumbered && known.Reps.TryGetValue((place.Session, item.AthleteId, place.Line, next, default), out var taken); next++)
        {
            item = item with { Rep = (taken.Millimetres, taken.Hundredths) == (millimetres, hundredths) && item.Marks.Count > 0 ? next : next + 1 };
            if (item.Rep == next)
            {
                break;
            }
        }

        var there = known.Reps.GetValueOrDefault((place.Session, item.AthleteId, place.Line, item.Rep, item.Rep > 0 ? default : item.Finished ?? default));
        var more = there is null ? [] : item.Measured.Where(m => !there.Measured.Contains(m.Kind)).ToList();
        if (there is not null && item.Marks.Count > 0 && (there.Millimetres, there.Hundredths) != (millimetres, hundredths))
        {
            Say(row, "rep", string.Create(System.Globalization.CultureInfo.InvariantCulture, $"Attempt {item.Rep} of that line is there already{(there.Millimetres > 0 ? $", with {there.Hundredths / 100.0:0.00} s" : "")}. Change it in its session."));
        }

        Put(row, there is null ? RowFate.New : more.Count > 0 ? RowFate.Changes : RowFate.Same, says + (there is not null && more.Count == 0 ? " is there already" : ""), there is null ? item : new MeasuredItem(there.Id, more));
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

            PutRun(row, new(who.Value, day.Value, known.Squad.Id, "", attempt) { Marks = [new(at, seconds.Value)] });
        }
    }

    // 30 m, 30m (2), 10 #3, 40 yd 2
    [GeneratedRegex(@"^\s*(?:sprint\s*)?(\d{1,4}(?:[.,]\d{1,2})?)\s*(m|yd|metres?|meters?|yards?|ft)?(?:\s*(?:sprint|time|s))?\s*(?:[(#_ -]\s*(?:attempt|trial|run|try|no\.?)?\s*(\d{1,2})\)?)?\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex Trial();
}
