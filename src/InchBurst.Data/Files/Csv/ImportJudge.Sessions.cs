using InchBurst.Core.Live;
using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Units;
using InchBurst.Data.Entities;

namespace InchBurst.Data.Files.Csv;

/// <summary>Sessions with their plans, who was there, and which line of a plan a run belongs to.</summary>
internal sealed partial class ImportJudge
{
    private const int MostPlanProblems = 3;
    private readonly Dictionary<string, ShorthandReading> works = [];

    private void Session(CsvRow row)
    {
        var (day, squad, name) = (DayOf(row), SquadOf(row), Cell(row, "name"));
        if (name.Length is 0 or > 80)
        {
            Say(row, "name", name.Length == 0 ? "No name." : "A name has at most 80 characters.");
        }

        var reading = PlanText.Read(Cell(row, "plan"), new(known.Unit, known.Catalogue));
        foreach (var problem in reading.Problems.Take(MostPlanProblems))
        {
            Say(row, "plan", $"Line {problem.LineNumber}, “{problem.Text.Trim()}”: {problem.Problem.Message}");
        }

        var session = new TrainingSession
        {
            Name = name,
            Day = day ?? default,
            SquadId = squad.Id,
            Start = TimeOf(row, "start"),
            Group = Short(Cell(row, "group"), 60),
            Notes = Short(Cell(row, "notes"), 2000),
            Surface = Word<Surface>(row, "surface") ?? Surface.Unsaid,
            Shoes = Word<Shoes>(row, "shoes") ?? Shoes.Unsaid,
            Wind = Within(row, "wind", Cells.Number(Cell(row, "wind")), -10, 10, "wind in m/s"),
            Altitude = Within(row, "altitude", Cells.Number(Cell(row, "altitude")), 0, 4000, "height in m"),
            State = Word<SessionState>(row, "state") is null or SessionState.Planned ? SessionState.Planned : SessionState.Ended,
            PlanJson = PlanJson.Write(reading.Plan),
        };
        session.Lanes = (int?)Within(row, "lanes", Cells.Number(Cell(row, "lanes")), 1, 20, "number of lanes") ?? session.Lanes;
        session.WindowMinutes = (int?)Within(row, "minutes", Cells.Number(Cell(row, "minutes")), 5, 300, "number of minutes") ?? session.WindowMinutes;
        session.StraightMetres = Within(row, "straight m", Cells.Number(Cell(row, "straight m")), 5, 400, "length in m") ?? session.StraightMetres;
        session.RunOutMetres = Within(row, "run-out m", Cells.Number(Cell(row, "run-out m")), 0, 100, "length in m") ?? session.RunOutMetres;
        if (session.State == SessionState.Ended)
        {
            var at = session.Day.ToDateTime(session.Start ?? new(12, 0), DateTimeKind.Utc);
            (session.RanPlanJson, session.StartedAt, session.EndedAt) = (session.PlanJson, at, at.AddMinutes(session.WindowMinutes));
        }

        var key = (squad.Id, session.Day, Cells.Folded(name));
        if (!bad && !seen.Add(key))
        {
            Say(row, "name", "Two sessions of one day have this name. Name them apart.");
        }

        var isThere = known.Sessions[key].Any();
        Put(row, isThere ? RowFate.Same : RowFate.New, $"{name}, {(day is { } d ? d.ToString("ddd d MMM yyyy", System.Globalization.CultureInfo.InvariantCulture) : "?")}{(isThere ? " is there already, and stays as it is" : $", {reading.Plan.Lines.Count()} lines")}", session);
    }

    private void There(CsvRow row)
    {
        var (who, day, squad, name) = (Who(row), DayOf(row), SquadOf(row), Cell(row, "session"));
        var session = day is null ? null : known.Sessions[(squad.Id, day.Value, Cells.Folded(name))].FirstOrDefault();
        if (day is not null && session is null)
        {
            Say(row, "session", $"{squad.Name} has no session “{name}” on {day:d MMM yyyy}. Bring the sessions in first.");
        }

        var cell = Cell(row, "present");
        if (cell.Length > 0 && Cells.Yes(cell) is null)
        {
            Say(row, "present", $"“{cell}” is neither yes nor no.");
        }

        var rating = Within(row, "rating", Cells.Number(Cell(row, "rating")), 0, 10, "rating");
        var minutes = (int?)Within(row, "minutes", Cells.Number(Cell(row, "minutes")), 0, 600, "number of minutes");
        var item = bad ? null : new ThereItem(session!.Id, who!.Value, cell.Length == 0 || Cells.Yes(cell) == true, rating, minutes, Short(Cell(row, "note"), 400));
        var there = item is null ? null : known.There.GetValueOrDefault((item.SessionId, item.AthleteId));
        Put(row, there is null ? RowFate.New : there == item ? RowFate.Same : RowFate.Changes, $"{NameOf(who)}, {name}: {(item?.Present == false ? "not there" : "there")}{(there is not null && there == item ? ", as it is" : "")}", item);
    }

    // The line a row's work names: of the session that is there when it has it, else read for one that is made.
    private (string Work, PlanLine? Line, (int Session, int Line)? Place) WorkOf(CsvRow row, Squad squad, DateOnly day, string name)
    {
        var work = Cell(row, "work");
        if (work.Length == 0)
        {
            if (kind.Key == "measures")
            {
                Say(row, "work", "No work. Say the exercise, such as broad jump.");
            }

            return ("", null, null);
        }

        if (!works.TryGetValue(work, out var reading))
        {
            works[work] = reading = ShorthandLine.Read(work, new(known.Unit, known.Catalogue));
        }

        var session = name.Length == 0 ? null : known.Sessions[(squad.Id, day, Cells.Folded(name))].FirstOrDefault();
        if (session is null)
        {
            if (reading.Problem is { } problem)
            {
                Say(row, "work", problem.Message);
            }

            return (work, reading.Line, null);
        }

        var number = (int?)Cells.Number(Cell(row, "line")) ?? 0;
        var isNumbered = number >= 1 && number <= session.Lines.Count && session.Lines[number - 1].Text == work;
        if (!isNumbered && session.Lines.All(l => l.Text != work))
        {
            Say(row, "work", $"{name} has no line “{work}” in its plan. Write it as the plan has it, or leave the session's name out.");
            return (work, reading.Line, null);
        }

        return (work, reading.Line, (session.Id, isNumbered ? session.Lines[number - 1].Id : session.Lines.First(l => l.Text == work).Id));
    }

    private Measured? MeasuredOf(CsvRow row, PlanLine? line)
    {
        var said = Cells.Folded(Cell(row, "measure"));
        var rule = said.Length > 0 ? Measures.All.FirstOrDefault(m => Cells.Folded(m.Word) == said || Cells.Folded(m.Label) == said)
            : line?.Log.Where(k => k != MeasureKind.Time).Select(k => Measures.Of(k)).FirstOrDefault();
        if (rule is null || rule.Kind == MeasureKind.Time)
        {
            Say(row, "measure", said.Length == 0 ? "Nothing says what was measured. Say it in a column: height, length, distance, air time, load or reps." : rule is null ? $"“{Cell(row, "measure")}” is none of {string.Join(", ", Measures.All.Skip(1).Select(m => m.Word))}." : "Times come in with the sheet of times.");
            return null;
        }

        var (cell, unit) = (Cell(row, "value"), Cell(row, "unit"));
        if (AmountAndUnit().Match(cell) is { Success: true } both)
        {
            (cell, unit) = (both.Groups[1].Value, both.Groups[2].Length > 0 ? both.Groups[2].Value : unit);
        }

        if (Cells.Number(cell) is not { } amount)
        {
            Say(row, "value", $"“{Cell(row, "value")}” is no value, such as 2.31 or 38,5 cm.");
            return null;
        }

        if (Measures.Kept(amount, unit, rule.Kind) is not { } kept)
        {
            Say(row, "unit", $"“{unit}” does not measure a {rule.Word}.");
            return null;
        }

        if (kept < rule.Least || kept > rule.Most)
        {
            var (least, most, its) = (Figures.Number(rule.Least, 2), Figures.Number(rule.Most, 2), CsvOut.UnitOf(rule.Kind));
            Say(row, "value", $"{cell} {unit} cannot be: a {rule.Word} is {least} to {most} {its}".Replace("  ", " ", StringComparison.Ordinal).TrimEnd() + (unit.Length == 0 ? ". Say its unit." : "."));
            return null;
        }

        return new(rule.Kind, kept);
    }

    [System.Text.RegularExpressions.GeneratedRegex("""^\s*([\d.,]+)\s*([a-z/"']*)\s*$""", System.Text.RegularExpressions.RegexOptions.IgnoreCase)]
    private static partial System.Text.RegularExpressions.Regex AmountAndUnit();
}
