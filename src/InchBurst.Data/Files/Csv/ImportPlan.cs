using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;
using InchBurst.Data.Entities;

namespace InchBurst.Data.Files.Csv;

/// <summary>Something wrong with a row.</summary>
/// <param name="Line">Line in the file.</param>
/// <param name="Column">Heading of the column, or empty.</param>
/// <param name="Words">What is wrong, in a coach's words.</param>
public sealed record RowProblem(int Line, string Column, string Words);

/// <summary>What becomes of a row.</summary>
public enum RowFate
{
    /// <summary>It is new.</summary>
    New,

    /// <summary>It is there already and says nothing new.</summary>
    Same,

    /// <summary>It changes what is there.</summary>
    Changes,

    /// <summary>It cannot be read and is left out.</summary>
    Wrong,
}

/// <summary>A row with what it says and what becomes of it.</summary>
/// <param name="Line">Line in the file.</param>
/// <param name="Fate">What becomes of it.</param>
/// <param name="Says">In words.</param>
/// <param name="Item">What it is stored as; null for what is left out.</param>
public sealed record PlannedRow(int Line, RowFate Fate, string Says, object? Item);

/// <summary>A name in the file that is not certainly somebody's.</summary>
/// <param name="Typed">As the file has it.</param>
/// <param name="Likely">Athletes it may be, the likeliest first.</param>
/// <param name="Taken">Who is taken for it: a number, 0 to leave the rows out, or null while nobody said.</param>
public sealed record NameDoubt(string Typed, IReadOnlyList<(int Id, string Name)> Likely, int? Taken);

/// <summary>A run that comes in: of a session that is there, or of one that is made for it.</summary>
public sealed record RunItem(int AthleteId, DateOnly Day, int SquadId, string Session, int Rep)
{
    /// <summary>The session and the line of its plan it belongs to; null makes a session.</summary>
    public (int Session, int Line)? Place { get; init; }

    /// <summary>True when the file says which attempt it is; else it takes the next that is free.</summary>
    public bool IsNumbered { get; init; }

    /// <summary>The line of a session that is made, as words; empty goes by the marks.</summary>
    public string Work { get; init; } = "";

    /// <summary>Its marks, the nearest first.</summary>
    public IReadOnlyList<LoggedMark> Marks { get; init; } = [];

    /// <summary>What was measured, in the units kept.</summary>
    public IReadOnlyList<Measured> Measured { get; init; } = [];

    public double Effort { get; init; } = 100;
    public TimingMethod Method { get; init; }
    public StartTrigger Trigger { get; init; }
    public Side? Side { get; init; }
    public Surface Surface { get; init; }

    /// <summary>What it was run in, as far as the file says it.</summary>
    public RunSetting Setting { get; init; } = RunSetting.None;

    public double? Reaction { get; init; }
    public RunOutcome Outcome { get; init; }
    public DateTime? Finished { get; init; }

    /// <summary>What tells two of them in one file apart.</summary>
    public object Key => (AthleteId, Day, SquadId, Session, Place, Work, Rep, Finished, Marks.Count == 0 ? default : Marks[^1], Measured.Count == 0 ? default : Measured[0]);
}

/// <summary>Values measured on a run that is there already.</summary>
public sealed record MeasuredItem(long RunId, IReadOnlyList<Measured> Measured);

/// <summary>Somebody at a session that is there.</summary>
public sealed record ThereItem(int SessionId, int AthleteId, bool Present, double? Rating, int? Minutes, string Note);

/// <summary>A session there is.</summary>
/// <param name="Id">Its number.</param>
/// <param name="SquadId">Its squad.</param>
/// <param name="Day">Its day.</param>
/// <param name="Name">Its name, folded.</param>
/// <param name="Lines">Lines of its plan, as printed.</param>
public sealed record KnownSession(int Id, int SquadId, DateOnly Day, string Name, IReadOnlyList<(int Id, string Text)> Lines);

/// <summary>A rep there is.</summary>
/// <param name="Id">Number of the run.</param>
/// <param name="Millimetres">Its farthest mark; 0 without.</param>
/// <param name="Hundredths">Its time.</param>
/// <param name="Measured">What was measured.</param>
public sealed record KnownRep(long Id, int Millimetres, int Hundredths, IReadOnlySet<MeasureKind> Measured);

/// <summary>What is known of the club when a file is judged.</summary>
/// <param name="Squad">The squad in view.</param>
/// <param name="Squads">Every squad, by folded name.</param>
/// <param name="Athletes">Athletes of the club.</param>
/// <param name="Entries">The squad's calendar.</param>
/// <param name="Runs">Runs there are: athlete, day, farthest mark in mm and its time in hundredths.</param>
/// <param name="Lifts">Loads there are.</param>
/// <param name="Minutes">Minutes there are, by match and athlete.</param>
/// <param name="Today">The day.</param>
/// <param name="Unit">Unit of a distance without one.</param>
public sealed record ImportKnown(Squad Squad, IReadOnlyDictionary<string, Squad> Squads, IReadOnlyList<Athlete> Athletes, IReadOnlyList<CalendarEntry> Entries, IReadOnlySet<(int Athlete, DateOnly Day, int Millimetres, int Hundredths)> Runs, IReadOnlySet<(int Athlete, DateOnly Day, string Lift, double Kilograms, int Reps)> Lifts, IReadOnlyDictionary<(int Entry, int Athlete), int> Minutes, DateOnly Today, DistanceUnit Unit)
{
    /// <summary>Exercises of the club.</summary>
    public ExerciseCatalogue Catalogue { get; init; } = ExerciseCatalogue.BuiltIn;

    /// <summary>Sessions there are, by squad, day and folded name.</summary>
    public ILookup<(int Squad, DateOnly Day, string Name), KnownSession> Sessions { get; init; } = Array.Empty<KnownSession>().ToLookup(_ => default((int, DateOnly, string)));

    /// <summary>Reps there are, by session, athlete, line and number; those that do not count, number 0, by when they ended.</summary>
    public IReadOnlyDictionary<(int Session, int Athlete, int Line, int Rep, DateTime Finished), KnownRep> Reps { get; init; } = new Dictionary<(int, int, int, int, DateTime), KnownRep>();

    /// <summary>Who is noted at which session.</summary>
    public IReadOnlyDictionary<(int Session, int Athlete), ThereItem> There { get; init; } = new Dictionary<(int, int), ThereItem>();
}

/// <summary>A file judged row by row before anything is stored.</summary>
/// <param name="Rows">Every row with its fate.</param>
/// <param name="Problems">What is wrong, by line and column.</param>
/// <param name="Doubts">Names that are not certain.</param>
public sealed record ImportPlan(IReadOnlyList<PlannedRow> Rows, IReadOnlyList<RowProblem> Problems, IReadOnlyList<NameDoubt> Doubts)
{
    /// <summary>How many rows of a fate.</summary>
    /// <param name="fate">The fate.</param>
    public int Count(RowFate fate) => Rows.Count(r => r.Fate == fate);

    /// <summary>Judges a sheet.</summary>
    /// <param name="kind">What kind of sheet it is.</param>
    /// <param name="sheet">The sheet.</param>
    /// <param name="columns">For each column a field's key, or empty.</param>
    /// <param name="known">What is known of the club.</param>
    /// <param name="day">Day of rows that say none; null when it was not said.</param>
    /// <param name="chosen">Who stands for names in doubt, by the name as typed.</param>
    public static ImportPlan Of(ImportKind kind, CsvSheet sheet, IReadOnlyList<string> columns, ImportKnown known, DateOnly? day, IReadOnlyDictionary<string, int> chosen) =>
        new ImportJudge(kind, sheet, columns, known, day, chosen).Judged();
}
