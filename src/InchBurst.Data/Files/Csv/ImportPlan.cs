using InchBurst.Core.Demand;
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

/// <summary>A run that comes in.</summary>
public sealed record TimesItem(int AthleteId, DateOnly Day, string Session, int Rep, IReadOnlyList<(Distance At, double Seconds)> Marks, double Effort, TimingMethod Method);

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
public sealed record ImportKnown(Squad Squad, IReadOnlyDictionary<string, Squad> Squads, IReadOnlyList<Athlete> Athletes, IReadOnlyList<CalendarEntry> Entries, IReadOnlySet<(int Athlete, DateOnly Day, int Millimetres, int Hundredths)> Runs, IReadOnlySet<(int Athlete, DateOnly Day, string Lift, double Kilograms, int Reps)> Lifts, IReadOnlyDictionary<(int Entry, int Athlete), int> Minutes, DateOnly Today, DistanceUnit Unit);

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
