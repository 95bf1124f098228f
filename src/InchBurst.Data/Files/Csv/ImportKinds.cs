namespace InchBurst.Data.Files.Csv;

/// <summary>Something that a column of a sheet can say.</summary>
/// <param name="Key">Its key.</param>
/// <param name="Title">Its name for people.</param>
/// <param name="Guide">What stands in it.</param>
/// <param name="IsNeeded">True when no row can do without it.</param>
/// <param name="Also">Other headings it goes by.</param>
public sealed record ImportField(string Key, string Title, string Guide, bool IsNeeded, params string[] Also);

/// <summary>A kind of sheet that is read in.</summary>
/// <param name="Key">Its key.</param>
/// <param name="Title">Its name for people.</param>
/// <param name="Guide">What a row of it is.</param>
/// <param name="Fields">What its columns can say.</param>
public sealed record ImportKind(string Key, string Title, string Guide, IReadOnlyList<ImportField> Fields)
{
    private static readonly ImportField Name = new("athlete", "Athlete", "name, also as family, given", true, "name", "player", "athlete name", "runner", "who", "naam", "nom", "nombre");
    private static readonly ImportField Day = new("day", "Day", "2026-03-14 or 14.3.2026", true, "date", "datum", "fecha", "when", "session date", "test date");
    private static readonly ImportField MaybeDay = Day with { IsNeeded = false };

    /// <summary>Every kind.</summary>
    public static IReadOnlyList<ImportKind> All { get; } =
    [
        new("athletes", "Athletes", "one athlete a row", [
            new("name", "Name", "as it is shown", true, "athlete", "player", "full name"), new("squad", "Squad", "name of a squad; else the one in view", false, "team", "group name"), new("sex", "Sex", "female or male", false, "gender"),
            new("birth year", "Birth year", "2009, or a day of birth", false, "born", "year of birth", "dob", "date of birth", "birthday", "yob"), new("height cm", "Height, cm", "172 or 1.72", false, "height", "stature"), new("body mass kg", "Body mass, kg", "64,5", false, "mass", "weight", "body mass", "bodyweight", "weight kg"),
            new("position", "Position", "position or event", false, "event", "role"), new("guardian", "Guardian", "who answers for the young", false, "parent", "contact"), new("consent", "Consent", "day it was given", false, "consent on", "consent date"), new("notes", "Notes", "free words", false, "note", "comment", "comments")]),
        new("times", "Times, one a row", "one time a row; rows of one run share athlete, day and attempt", [
            Name, MaybeDay, new("distance", "Distance", "30, 30 m or 40 yd", true, "dist", "metres", "meters", "split", "mark", "m"), new("seconds", "Time", "4.52, 4,52 or 1:04.5", true, "time", "result", "s", "sec", "split time"),
            new("rep", "Attempt", "1, 2, 3", false, "attempt", "trial", "run", "try", "no", "#"), new("session", "Session", "name of the session", false, "test", "event"), new("effort", "Effort, %", "percent asked", false, "intensity"), new("method", "Timing", "electronic or hand", false, "timing", "timed by")]),
        new("wide", "Times, one athlete a row", "one athlete a row and one trial a column, headed by its distance: 30 m, 30 m (2), 10m #2", [Name, MaybeDay]),
        new("fixtures", "Calendar", "one match, camp or exam a row", [
            Day, new("last day", "Last day", "for what lasts longer", false, "until", "end", "to"), new("kind", "Kind", "match, camp, exam, off or other", false, "type"), new("title", "Title", "opponent or name", true, "match", "opponent", "name", "event", "fixture"),
            new("start", "Start", "18:30", false, "time", "kick-off", "throw-off", "ko"), new("away", "Away", "yes or no", false, "home/away", "h/a"), new("where", "Where", "place", false, "venue", "place", "location")]),
        new("minutes", "Minutes played", "one athlete and match a row", [Name, Day, new("minutes", "Minutes", "0 to 300", true, "min", "mins", "played", "minutes played"), new("top speed", "Top speed", "yes or no", false)]),
        new("lifts", "Loads lifted", "one set a row", [Name, Day, new("lift", "Lift", "exercise", true, "exercise", "movement"), new("kg", "Load, kg", "100 or 102,5", true, "load", "weight", "load kg", "mass"), new("reps", "Reps", "1 for a tested maximum", false, "repetitions", "rep")]),
    ];

    /// <summary>What each column is likely to say: by what was chosen before, else by its heading; nothing twice.</summary>
    /// <param name="header">The headings.</param>
    /// <param name="before">What headings of this kind were taken for, by folded heading.</param>
    /// <returns>For each column a field's key, or empty.</returns>
    public IReadOnlyList<string> Guess(IReadOnlyList<string> header, IReadOnlyDictionary<string, string> before)
    {
        var taken = new HashSet<string>();
        var guess = new string[header.Count];
        for (var i = 0; i < guess.Length; i++)
        {
            guess[i] = before.TryGetValue(Cells.Folded(header[i]), out var said) && (said.Length == 0 || Fields.Any(f => f.Key == said)) && (said.Length == 0 || taken.Add(said)) ? said : "?";
        }

        for (var i = 0; i < guess.Length; i++)
        {
            if (guess[i] == "?")
            {
                var plain = Cells.Folded(header[i]);
                var field = plain.Length == 0 ? null : Fields.FirstOrDefault(f => !taken.Contains(f.Key) && (Cells.Folded(f.Key) == plain || Cells.Folded(f.Title) == plain || f.Also.Any(a => Cells.Folded(a) == plain)));
                guess[i] = field is null ? "" : field.Key;
                if (field is not null)
                {
                    taken.Add(field.Key);
                }
            }
        }

        return guess;
    }
}
