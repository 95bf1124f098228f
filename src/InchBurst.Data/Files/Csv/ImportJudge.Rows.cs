using InchBurst.Core.Season;
using InchBurst.Data.Entities;

namespace InchBurst.Data.Files.Csv;

/// <summary>Athletes, the calendar, minutes and loads.</summary>
internal sealed partial class ImportJudge
{
    private void Athlete(CsvRow row)
    {
        var name = Cell(row, "name");
        name = name.Split(',', 2) is [var family, var given] && given.Trim().Length > 0 ? $"{given.Trim()} {family.Trim()}" : name;
        if (name.Length is 0 or > 80)
        {
            Say(row, "name", name.Length == 0 ? "No name." : "A name has at most 80 characters.");
        }

        var squad = SquadOf(row);
        var sex = Cell(row, "sex").ToLowerInvariant() switch { "" => AthleteSex.NotSaid, "f" or "female" or "w" or "woman" or "girl" => AthleteSex.Female, "m" or "male" or "man" or "boy" => AthleteSex.Male, _ => (AthleteSex?)null };
        if (sex is null)
        {
            Say(row, "sex", $"“{Cell(row, "sex")}” is neither female nor male.");
        }

        var year = Within(row, "birth year", Cells.Number(Cell(row, "birth year")) ?? Cells.Day(Cell(row, "birth year"))?.Year, known.Today.Year - 100, known.Today.Year - 4, "birth year");
        var height = Cells.Number(Cell(row, "height cm"));
        height = Within(row, "height cm", height is < 3 ? height * 100 : height, 80, 250, "height in cm");
        var mass = Within(row, "body mass kg", Cells.Number(Cell(row, "body mass kg")), 20, 250, "body mass in kg");
        var consent = DayOf(row, "consent", false);
        var item = new Athlete { Name = name, SquadId = squad.Id, Sex = sex ?? AthleteSex.NotSaid, BirthYear = (int?)year, HeightMetres = height / 100, MassKilograms = mass, Position = Short(Cell(row, "position"), 80), Guardian = Short(Cell(row, "guardian"), 200), Notes = Short(Cell(row, "notes"), 2000), ConsentOn = consent, Group = Word<PlayingGroup>(row, "group") ?? PlayingGroup.None, Stance = Word<StartStance>(row, "stance") ?? StartStance.NotSaid, FrontFoot = Word<FrontFoot>(row, "front foot") ?? FrontFoot.NotSaid };
        item.RetiredAt = Cells.Yes(Cell(row, "retired")) == true ? known.Today.ToDateTime(TimeOnly.MinValue, DateTimeKind.Utc) : null;
        var there = byName[Cells.Folded(name)].FirstOrDefault(a => a.SquadId == squad.Id);
        item.Id = there?.Id ?? 0;
        var changes = there is null ? [] : Changes(there, item);
        Put(row, there is null ? RowFate.New : changes.Count == 0 ? RowFate.Same : RowFate.Changes, there is null ? $"{name}, {squad.Name}" : changes.Count == 0 ? $"{name} is there already" : $"{name}: {string.Join(", ", changes)}", item);
    }

    private static string Short(string text, int most) => text.Length > most ? text[..most] : text;

    // What a cell says replaces; an empty one changes nothing.
    private static List<string> Changes(Athlete there, Athlete item)
    {
        var changes = new List<string>();
        void Look<T>(string what, T now, T said, bool isSaid)
        {
            if (isSaid && !EqualityComparer<T>.Default.Equals(now, said))
            {
                changes.Add(what);
            }
        }

        Look("sex", there.Sex, item.Sex, item.Sex != AthleteSex.NotSaid);
        Look("birth year", there.BirthYear, item.BirthYear, item.BirthYear is not null);
        Look("height", Math.Round((there.HeightMetres ?? 0) * 100, 1), Math.Round((item.HeightMetres ?? 0) * 100, 1), item.HeightMetres is not null);
        Look("body mass", there.MassKilograms, item.MassKilograms, item.MassKilograms is not null);
        Look("position", there.Position, item.Position, item.Position.Length > 0);
        Look("group", there.Group, item.Group, item.Group != PlayingGroup.None);
        Look("stance", there.Stance, item.Stance, item.Stance != StartStance.NotSaid);
        Look("front foot", there.FrontFoot, item.FrontFoot, item.FrontFoot != FrontFoot.NotSaid);
        Look("retired", there.RetiredAt is not null, true, item.RetiredAt is not null);
        Look("guardian", there.Guardian, item.Guardian, item.Guardian.Length > 0);
        Look("consent", there.ConsentOn, item.ConsentOn, item.ConsentOn is not null);
        Look("notes", there.Notes, item.Notes, item.Notes.Length > 0);
        return changes;
    }

    private void Fixture(CsvRow row)
    {
        var day = DayOf(row);
        var last = DayOf(row, "last day", false) ?? day;
        if (last < day)
        {
            Say(row, "last day", "The last day is before the first.");
        }

        var title = Short(Cell(row, "title"), 120);
        if (title.Length == 0)
        {
            Say(row, "title", "No title.");
        }

        var kindCell = Cell(row, "kind");
        var entryKind = kindCell.Length == 0 ? CalendarWords.KindOf(title) : Enum.TryParse<EntryKind>(kindCell, true, out var said) && Enum.IsDefined(said) && !char.IsAsciiDigit(kindCell[0]) ? said : (EntryKind?)null;
        entryKind ??= kindCell.ToLowerInvariant() switch { "game" or "fixture" or "league" or "cup" or "friendly" => EntryKind.Match, "exams" or "test" => EntryKind.Exam, "holiday" or "days off" or "rest" => EntryKind.Off, "tournament" => EntryKind.Camp, _ => null };
        if (entryKind is null)
        {
            Say(row, "kind", $"“{kindCell}” is none of match, camp, exam, off, other.");
        }

        var (start, squad) = (TimeOf(row, "start"), SquadOf(row));
        var awayCell = Cell(row, "away").ToLowerInvariant();
        var isAway = awayCell is "a" or "away" || Cells.Yes(awayCell is "h" or "home" ? "" : awayCell) == true;
        var item = day is null ? null : new CalendarEntry { SquadId = squad.Id, Day = day.Value, LastDay = last!.Value, Kind = entryKind ?? EntryKind.Other, Title = title, Start = start, IsAway = isAway, Where = Short(Cell(row, "where"), 120), TravelMinutes = (int?)Within(row, "travel minutes", Cells.Number(Cell(row, "travel minutes")), 0, 2880, "number of minutes") };
        if (item is not null && Within(row, "importance", Cells.Number(Cell(row, "importance")), 1, 3, "importance") is { } importance)
        {
            item.Importance = (int)importance;
        }

        var isThere = item is not null && known.Entries.Any(e => e.SquadId == squad.Id && e.Day == item.Day && e.Title.Equals(item.Title, StringComparison.OrdinalIgnoreCase));
        Put(row, isThere ? RowFate.Same : RowFate.New, $"{title}, {(day is { } d ? d.ToString("ddd d MMM yyyy", System.Globalization.CultureInfo.InvariantCulture) : "?")}{(isThere ? " is there already" : "")}", item);
    }

    private void Minutes(CsvRow row)
    {
        var (who, day) = (Who(row), DayOf(row));
        var minutes = Within(row, "minutes", Cells.Number(Cell(row, "minutes")), 0, 300, "number of minutes");
        if (minutes is null && !bad)
        {
            Say(row, "minutes", "No minutes.");
        }

        var (squad, title) = (SquadOf(row), Cells.Folded(Cell(row, "match")));
        var match = known.Entries.FirstOrDefault(e => e.SquadId == squad.Id && e.Day == day && (title.Length == 0 ? e.Kind == EntryKind.Match : Cells.Folded(e.Title) == title));
        if (day is not null && match is null)
        {
            Say(row, "day", $"There is no match on {day:d MMM yyyy}. Bring the calendar in first.");
        }

        var item = bad ? null : new PlayedMinutes { EntryId = match!.Id, AthleteId = who!.Value, Minutes = (int)minutes!.Value, CountsAsTopSpeed = Cells.Yes(Cell(row, "top speed")) == true };
        var before = item is null ? null : known.Minutes.TryGetValue((item.EntryId, item.AthleteId), out var now) ? now : (int?)null;
        Put(row, before is null ? RowFate.New : before == item!.Minutes ? RowFate.Same : RowFate.Changes, $"{NameOf(who)}, {match?.Title}: {minutes:0} min{(before is { } was && was != minutes ? $", was {was}" : "")}", item);
    }

    private void Lift(CsvRow row)
    {
        SquadOf(row);
        var (who, day) = (Who(row), DayOf(row));
        var lift = Short(Cell(row, "lift"), 80);
        if (lift.Length == 0)
        {
            Say(row, "lift", "No lift.");
        }

        var kilograms = Within(row, "kg", Cells.Number(Cell(row, "kg")), 0.5, 500, "load in kg");
        if (kilograms is null && !bad)
        {
            Say(row, "kg", "No load.");
        }

        var reps = Cell(row, "reps").Length == 0 ? 1 : (int?)Within(row, "reps", Cells.Number(Cell(row, "reps")), 1, 10, "number of reps") ?? 1;
        var item = bad ? null : new LiftTest { AthleteId = who!.Value, Day = day!.Value, Exercise = lift, Kilograms = kilograms!.Value, Reps = reps };
        var isThere = item is not null && known.Lifts.Contains((item.AthleteId, item.Day, item.Exercise, item.Kilograms, item.Reps));
        Put(row, isThere ? RowFate.Same : RowFate.New, string.Create(System.Globalization.CultureInfo.InvariantCulture, $"{NameOf(who)}, {lift}: {kilograms:0.##} kg x {reps}{(isThere ? " is there already" : "")}"), item);
    }
}
