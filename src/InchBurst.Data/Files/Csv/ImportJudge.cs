using InchBurst.Data.Entities;

namespace InchBurst.Data.Files.Csv;

/// <summary>Judges a sheet row by row: what it says, what is wrong, and what is there already.</summary>
internal sealed partial class ImportJudge(ImportKind kind, CsvSheet sheet, IReadOnlyList<string> columns, ImportKnown known, DateOnly? usualDay, IReadOnlyDictionary<string, int> chosen)
{
    private readonly List<PlannedRow> rows = [];
    private readonly List<RowProblem> problems = [];
    private readonly Dictionary<(string Typed, int Squad), (int? Id, NameDoubt? Doubt)> names = [];
    private readonly ILookup<string, Athlete> byName = known.Athletes.ToLookup(a => Cells.Folded(a.Name));
    private readonly HashSet<object> seen = [];
    private readonly bool isMonthFirst = columns.ToList().IndexOf("day") is >= 0 and var at && Cells.AreMonthFirst(sheet.Rows.Select(r => at < r.Cells.Count ? r.Cells[at] : ""));
    private bool bad;

    public ImportPlan Judged()
    {
        foreach (var (line, words) in sheet.Problems)
        {
            problems.Add(new(line, "", words));
        }

        foreach (var field in kind.Fields.Where(f => f.IsNeeded && !columns.Contains(f.Key)))
        {
            problems.Add(new(1, field.Title, $"No column says the {field.Title.ToLowerInvariant()}. Choose it above."));
        }

        if (problems.Any(p => p.Line == 1 && p.Column.Length > 0))
        {
            return new([], problems, []);
        }

        if (kind.Key is "times" or "measures")
        {
            Runs();
        }
        else
        {
            foreach (var row in sheet.Rows)
            {
                bad = false;
                switch (kind.Key)
                {
                    case "athletes":
                        Athlete(row);
                        break;
                    case "wide":
                        Wide(row);
                        break;
                    case "fixtures":
                        Fixture(row);
                        break;
                    case "minutes":
                        Minutes(row);
                        break;
                    case "sessions":
                        Session(row);
                        break;
                    case "attendance":
                        There(row);
                        break;
                    default:
                        Lift(row);
                        break;
                }
            }
        }

        return new(rows, [.. problems.OrderBy(p => p.Line)], [.. names.Values.Select(n => n.Doubt).OfType<NameDoubt>().DistinctBy(d => d.Typed)]);
    }

    // The squad a row names; the one in view when it names none.
    private Squad SquadOf(CsvRow row, bool isSaid = true)
    {
        if (Cell(row, "squad") is not { Length: > 0 } said)
        {
            return known.Squad;
        }

        if (!known.Squads.TryGetValue(Cells.Folded(said), out var squad) && isSaid)
        {
            Say(row, "squad", $"There is no squad “{said}”. Make it first, or leave the column out.");
        }

        return squad ?? known.Squad;
    }

    // A word of the program's own; null for an empty cell, and for one that is none of them, which is said.
    private T? Word<T>(CsvRow row, string field)
        where T : struct, Enum
    {
        var cell = Cell(row, field);
        if (cell.Length == 0)
        {
            return null;
        }

        foreach (var value in Enum.GetValues<T>())
        {
            if (Cells.Folded(CsvOut.Words(value)) == Cells.Folded(cell))
            {
                return value;
            }
        }

        Say(row, field, $"“{cell}” is none of {string.Join(", ", Enum.GetValues<T>().Select(v => CsvOut.Words(v)).Where(w => w.Length > 0))}.");
        return null;
    }

    private TimeOnly? TimeOf(CsvRow row, string field)
    {
        var cell = Cell(row, field);
        if (cell.Length == 0)
        {
            return null;
        }

        if (TimeOnly.TryParse(cell.Replace('.', ':').Replace('h', ':'), System.Globalization.CultureInfo.InvariantCulture, out var at))
        {
            return at;
        }

        Say(row, field, $"“{cell}” is no time of day, such as 18:30.");
        return null;
    }

    private string Cell(CsvRow row, string field)
    {
        var at = -1;
        for (var i = 0; i < columns.Count; i++)
        {
            at = columns[i] == field ? i : at;
        }

        return at >= 0 && at < row.Cells.Count ? row.Cells[at] : "";
    }

    private void Say(CsvRow row, string field, string words)
    {
        bad = true;
        problems.Add(new(row.Line, kind.Fields.FirstOrDefault(f => f.Key == field)?.Title ?? field, words));
    }

    private void Put(CsvRow row, RowFate fate, string says, object? item)
    {
        if (bad)
        {
            rows.Add(new(row.Line, RowFate.Wrong, says, null));
        }
        else if (item is not null && fate != RowFate.Same && !seen.Add(item is RunItem run ? run.Key : item is MeasuredItem more ? (more.RunId, more.Measured[0].Kind) : (Cells.Day(Cell(row, "day"), isMonthFirst), SquadOf(row, false).Id, says)))
        {
            rows.Add(new(row.Line, RowFate.Same, says + ", twice in the file", null));
        }
        else
        {
            rows.Add(new(row.Line, fate, says, fate == RowFate.Same ? null : item));
        }
    }

    private double? Within(CsvRow row, string field, double? value, double least, double most, string words)
    {
        if (Cell(row, field).Length == 0)
        {
            return null;
        }

        if (value is null || value < least || value > most)
        {
            Say(row, field, $"“{Cell(row, field)}” is no {words} from {least.ToString(System.Globalization.CultureInfo.InvariantCulture)} to {most.ToString(System.Globalization.CultureInfo.InvariantCulture)}.");
            return null;
        }

        return value;
    }

    private DateOnly? DayOf(CsvRow row, string field = "day", bool isNeeded = true)
    {
        var cell = Cell(row, field);
        if (cell.Length == 0)
        {
            if (isNeeded && (field != "day" || usualDay is null))
            {
                Say(row, field, "No day. Say it above for the whole file, or in a column.");
            }

            return field == "day" ? usualDay : null;
        }

        if (Cells.Day(cell, isMonthFirst) is not { } day)
        {
            Say(row, field, $"“{cell}” is no day, such as 2026-03-14 or 14.3.2026.");
            return null;
        }

        return day;
    }

    private int? Who(CsvRow row)
    {
        var typed = Cell(row, "athlete");
        if (typed.Length == 0)
        {
            Say(row, "athlete", "No name.");
            return null;
        }

        var squad = SquadOf(row, false);
        if (!names.TryGetValue((typed, squad.Id), out var found))
        {
            found = names[(typed, squad.Id)] = Match(typed, squad);
        }

        if (found.Id is null)
        {
            Say(row, "athlete", found.Doubt is { Taken: 0 } ? $"{typed} is left out." : $"Who is {typed}? Choose above.");
        }

        return found.Id;
    }

    private (int? Id, NameDoubt? Doubt) Match(string typed, Squad squad)
    {
        var folded = Cells.Folded(typed);
        var same = byName[folded].ToList();
        var here = same.Where(a => a.SquadId == squad.Id).ToList();
        here = here.Count > 1 && here.Count(a => a.RetiredAt is null) == 1 ? [here.Single(a => a.RetiredAt is null)] : here;
        if (here.Count == 1 || (here.Count == 0 && same.Count == 1))
        {
            return ((here.Count == 1 ? here : same)[0].Id, null);
        }

        var likely = known.Athletes.Select(a => (a.Id, a.Name, Far: Far(folded, Cells.Folded(a.Name), a, typed))).Where(a => a.Far <= 3).OrderBy(a => a.Far).ThenBy(a => a.Name, StringComparer.Ordinal).Take(5).Select(a => (a.Id, a.Name)).ToList();
        int? taken = chosen.TryGetValue(typed, out var said) && (said == 0 || known.Athletes.Any(a => a.Id == said)) ? said : null;
        return (taken is > 0 ? taken : null, new(typed, likely, taken));
    }

    // Slips of the keys, a given name alone, or an initial with the family name.
    private static int Far(string typed, string name, Athlete athlete, string raw)
    {
        var parts = athlete.Name.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(Cells.Folded).ToList();
        var said = raw.Split([' ', '.', ','], StringSplitOptions.RemoveEmptyEntries).Select(Cells.Folded).ToList();
        if (said.Count > 0 && said.All(s => s.Length > 0 && parts.Any(p => s.Length == 1 ? p.StartsWith(s, StringComparison.Ordinal) : p == s)))
        {
            return 1;
        }

        return Math.Abs(typed.Length - name.Length) > 3 ? 9 : Slips(typed, name);
    }

    private static int Slips(string a, string b)
    {
        var row = Enumerable.Range(0, b.Length + 1).ToArray();
        for (var i = 1; i <= a.Length; i++)
        {
            var before = row[0];
            row[0] = i;
            for (var j = 1; j <= b.Length; j++)
            {
                (before, row[j]) = (row[j], Math.Min(Math.Min(row[j] + 1, row[j - 1] + 1), before + (a[i - 1] == b[j - 1] ? 0 : 1)));
            }
        }

        return row[^1];
    }

    private string NameOf(int? id) => known.Athletes.FirstOrDefault(a => a.Id == id)?.Name ?? "?";
}
