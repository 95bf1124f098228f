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
    private static readonly ImportField Squad = new("squad", "Squad", "name of a squad; else the one in view", false, "team", "group name");
    private static readonly ImportField Session = new("session", "Session", "name of the session", false, "test", "event", "session name");
    private static readonly ImportField Work = new("work", "Work", "line of the plan in shorthand, such as 3 x 30 m", false, "exercise", "line text", "drill");
    private static readonly ImportField Line = new("line", "Line", "which line of the plan, from 1; tells lines with the same words apart", false, "line no");
    private static readonly ImportField Rep = new("rep", "Attempt", "1, 2, 3; 0 for one that does not count", false, "attempt", "trial", "try", "no", "#");
    private static readonly ImportField Side = new("side", "Side", "left, right or empty", false, "leg", "foot");
    private static readonly ImportField Run = new("run", "Run", "a number that keeps rows of one run together", false, "run id");
    private static readonly ImportField OnSurface = new("surface", "Surface", "track, grass and so on", false);
    private static readonly ImportField InShoes = new("shoes", "Shoes", "spikes, flats, studs, court, barefoot", false, "footwear");
    private static readonly ImportField InWind = new("wind", "Wind, m/s", "+1.2 behind, -0.8 against", false, "wind m/s");
    private static readonly ImportField AtAltitude = new("altitude", "Height above the sea, m", "0 to 4000", false, "elevation");
    private static readonly ImportField Finished = new("finished", "Finished", "2026-03-14T17:02:11Z", false, "finished at");

    /// <summary>Every kind.</summary>
    public static IReadOnlyList<ImportKind> All { get; } =
    [
        new("athletes", "Athletes", "one athlete a row", [
            new("name", "Name", "as it is shown", true, "athlete", "player", "full name"), Squad, new("sex", "Sex", "female or male", false, "gender"),
            new("birth year", "Birth year", "2009, or a day of birth", false, "born", "year of birth", "dob", "date of birth", "birthday", "yob"), new("height cm", "Height, cm", "172 or 1.72", false, "height", "stature"), new("body mass kg", "Body mass, kg", "64,5", false, "mass", "weight", "body mass", "bodyweight", "weight kg"),
            new("position", "Position", "position or event", false, "event", "role"), new("group", "Group", "high minutes, low minutes or empty", false), new("stance", "Stance", "standing, three point, four point or blocks", false, "start stance"), new("front foot", "Front foot", "left or right", false),
            new("guardian", "Guardian", "who answers for the young", false, "parent", "contact"), new("consent", "Consent", "day it was given", false, "consent on", "consent date"), new("notes", "Notes", "free words", false, "note", "comment", "comments"), new("retired", "Retired", "yes or no", false, "left")]),
        new("times", "Times, one a row", "one time a row; rows of one run share athlete, day and attempt", [
            Name, MaybeDay, new("distance", "Distance", "30, 30 m or 40 yd", true, "dist", "metres", "meters", "split", "mark", "m"), new("seconds", "Time", "4.52, 4,52 or 1:04.5", true, "time", "result", "s", "sec", "split time"),
            Rep, Run, Squad, Session, Line, Work, Side, new("effort", "Effort, %", "percent asked", false, "intensity"), new("method", "Timing", "electronic or hand", false, "timing", "timed by"),
            new("trigger", "Started by", "first gate, gun, first movement and so on", false, "started by"), new("outcome", "Outcome", "timed, not timed, measured, skipped or again", false, "status"), Finished,
            OnSurface, InShoes, InWind, AtAltitude, new("reaction", "Reaction, s", "from the gun to the first movement", false, "reaction time")]),
        new("wide", "Times, one athlete a row", "one athlete a row and one trial a column, headed by its distance: 30 m, 30 m (2), 10m #2", [Name, MaybeDay]),
        new("measures", "Jumps, throws and other measures", "one measured value a row", [
            Name, MaybeDay, Work with { IsNeeded = true, Guide = "exercise or line, such as broad jump" }, new("value", "Value", "in the unit beside it: 2.31, 38,5 cm", true, "result", "height", "best"),
            new("measure", "Measure", "height, length, distance, air time, load, reps; else what the exercise is measured by", false, "what"), new("unit", "Unit", "m, cm, in, ft, s, kg, lb", false, "units"), Rep, Run, Squad, Session, Line, Side, Finished]),
        new("sessions", "Sessions", "one session a row, its plan as text in one cell", [
            Day, new("name", "Name", "name of the session", true, "session", "title"), Squad, new("plan", "Plan", "lines as they are written in the builder", false, "session plan", "content"), new("start", "Start", "18:30", false, "time"), new("group", "Group", "whom it is for", false, "for"),
            new("lanes", "Lanes", "1 to 20", false), new("minutes", "Minutes", "window, 5 to 300", false, "window", "duration"), new("straight m", "Straight, m", "metres there are to run", false, "straight"), new("run-out m", "Run-out, m", "metres to slow down", false, "run-out"),
            OnSurface, InShoes, InWind, AtAltitude, new("state", "State", "planned or ended", false), new("notes", "Notes", "free words", false, "note", "comments")]),
        new("attendance", "Who was there", "one athlete and session a row; the sessions come in first", [
            Name, Day, Session with { IsNeeded = true }, new("present", "Present", "yes or no", false, "there", "attended"), Squad, new("rating", "Rating", "perceived exertion, 0 to 10", false, "rpe"), new("minutes", "Minutes", "minutes trained", false, "duration", "min"), new("note", "Note", "words", false, "notes", "comment")]),
        new("fixtures", "Calendar", "one match, camp or exam a row", [
            Day, new("last day", "Last day", "for what lasts longer", false, "until", "end", "to"), new("kind", "Kind", "match, camp, exam, off or other", false, "type"), new("title", "Title", "opponent or name", true, "match", "opponent", "name", "event", "fixture"),
            new("start", "Start", "18:30", false, "time", "kick-off", "throw-off", "ko"), new("away", "Away", "yes or no", false, "home/away", "h/a"), new("where", "Where", "place", false, "venue", "place", "location"),
            Squad, new("importance", "Importance", "1 to 3", false, "priority"), new("travel minutes", "Travel, min", "0 to 2880", false, "travel")]),
        new("minutes", "Minutes played", "one athlete and match a row", [Name, Day, new("minutes", "Minutes", "0 to 300", true, "min", "mins", "played", "minutes played"), new("top speed", "Top speed", "yes or no", false), Squad, new("match", "Match", "title, where a day has two", false, "fixture", "opponent")]),
        new("lifts", "Loads lifted", "one set a row", [Name, Day, new("lift", "Lift", "exercise", true, "exercise", "movement"), new("kg", "Load, kg", "100 or 102,5", true, "load", "weight", "load kg", "mass"), new("reps", "Reps", "1 for a tested maximum", false, "repetitions", "rep"), Squad]),
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
