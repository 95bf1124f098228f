using InchBurst.Core.Catalogue;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Units;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data;

/// <summary>Holds the club's catalogue, built-in and own together, until something in it changes.</summary>
public sealed class CatalogueShelf
{
    private volatile ExerciseCatalogue? current;

    public ExerciseCatalogue Current(ClubDb db) => current ??= Make(db);

    public void Forget() => current = null;

    private static ExerciseCatalogue Make(ClubDb db)
    {
        var own = db.ClubExercises.AsNoTracking().ToList();
        var hidden = own.Where(o => o.Hidden).Select(o => o.Name).ToHashSet(StringComparer.OrdinalIgnoreCase);
        return new(ExerciseCatalogue.BuiltIn.All.Concat(own.Where(o => o.Json is not null).Select(o => ExerciseJson.Read(o.Json!))).Where(e => !hidden.Contains(e.Name))) { OwnChips = [.. db.ClubChips.AsNoTracking().OrderBy(c => c.Id).AsEnumerable().Select(CatalogueBook.Of)] };
    }
}

/// <summary>The coach's changes to the catalogue.</summary>
public sealed class CatalogueBook(ClubDb db, CatalogueShelf shelf)
{
    /// <summary>The club's own chips, oldest first.</summary>
    public IReadOnlyList<Observation> Chips() => shelf.Current(db).OwnChips;

    internal static Observation Of(ClubChip chip) => new(chip.Words, chip.Phase, chip.Words, chip.Drills.Split('\n', StringSplitOptions.RemoveEmptyEntries));

    /// <summary>Stores a chip under its words, in place of one of the same words. Gives what is wrong with it, by field, when it cannot be stored.</summary>
    /// <param name="words">What it says, 2 to 40 characters.</param>
    /// <param name="phase">What it is seen on.</param>
    /// <param name="drills">Names of exercises that answer it, at most three.</param>
    /// <param name="cancel">Gives up.</param>
    public async Task<IReadOnlyDictionary<string, string>> SaveChipAsync(string words, RunPhase phase, IReadOnlyList<string> drills, CancellationToken cancel = default)
    {
        var (problems, current) = (new Dictionary<string, string>(), shelf.Current(db));
        var found = drills.Select(d => (Name: d, Exercise: current.Find(d))).ToList();
        if (words.Length is < 2 or > MostChipLetters)
        {
            problems["words"] = $"Say it in 2 to {MostChipLetters} characters, as you would call it across the track.";
        }
        else if (Observations.All.Any(o => o.Says.Equals(words, StringComparison.OrdinalIgnoreCase) || o.Code.Equals(words, StringComparison.OrdinalIgnoreCase)))
        {
            problems["words"] = $"“{words}” is there already.";
        }

        if (!OwnPhases.Contains(phase))
        {
            problems["phase"] = "Choose where it is seen.";
        }

        if (found.Count > MostChipDrills || found.Any(f => f.Exercise is null))
        {
            problems["drills"] = found.FirstOrDefault(f => f.Exercise is null).Name is { } unknown ? $"“{unknown}” is not in the catalogue." : $"At most {MostChipDrills} drills.";
        }

        if (problems.Count == 0)
        {
            var row = (await db.ClubChips.ToListAsync(cancel)).FirstOrDefault(c => c.Words.Equals(words, StringComparison.OrdinalIgnoreCase));
            if (row is null)
            {
                db.ClubChips.Add(row = new());
            }

            (row.Words, row.Phase, row.Drills) = (words, phase, string.Join('\n', found.Select(f => f.Exercise!.Name)));
            await db.SaveChangesAsync(cancel);
            shelf.Forget();
        }

        return problems;
    }

    /// <summary>Takes a chip away; what was noted with it stays as words.</summary>
    public async Task RemoveChipAsync(string words, CancellationToken cancel = default)
    {
        await db.ClubChips.Where(c => c.Words == words).ExecuteDeleteAsync(cancel);
        shelf.Forget();
    }

    /// <summary>What a chip of the club's own can be seen on: signs of the body ship with the program, since they stop work.</summary>
    public static IReadOnlyList<RunPhase> OwnPhases { get; } = [.. Enum.GetValues<RunPhase>().Where(p => p is not (RunPhase.Own or RunPhase.Body))];

    private const int MostChipLetters = 40;
    private const int MostChipDrills = 3;

    /// <summary>Stores an exercise under its name. Gives what is wrong with it, by field, when it cannot be stored.</summary>
    public async Task<IReadOnlyDictionary<string, string>> SaveAsync(Exercise exercise, string? replaces, CancellationToken cancel = default)
    {
        var problems = new Dictionary<string, string>();
        var current = shelf.Current(db);
        if (exercise.Name.Length is < 3 or > 60 || exercise.Name.Any(c => c is '"' or ':' or ';' or '@') || char.IsDigit(exercise.Name[0]))
        {
            problems[nameof(Exercise.Name)] = "A name has 3 to 60 characters, begins with a letter and has no quotation marks or colons.";
        }
        else if (current.Find(exercise.Name) is { } other && !other.Name.Equals(replaces, StringComparison.OrdinalIgnoreCase))
        {
            problems[nameof(Exercise.Name)] = $"There is “{other.Name}” already.";
        }

        if (problems.Count == 0)
        {
            var dose = ShorthandLine.Read($"{exercise.Name} {exercise.Dose}", new(DistanceUnit.Metre, new ExerciseCatalogue(current.All.Append(exercise with { Harder = null }))));
            if (dose.Line is null)
            {
                problems[nameof(Exercise.Dose)] = "Write the dose in shorthand, such as 2 x 15 m, 3 x 5 or 30 s. " + dose.Problem!.Message;
            }
        }

        foreach (var (field, other) in new[] { (nameof(Exercise.Harder), exercise.Harder), (nameof(Exercise.Easier), exercise.Easier) })
        {
            if (other is not null && current.Find(other) is null)
            {
                problems[field] = $"“{other}” is not in the catalogue.";
            }
            else if (other is not null && current.Find(other) is { } there && (there.Name.Equals(exercise.Name, StringComparison.OrdinalIgnoreCase) || (field == nameof(Exercise.Easier) && there == current.Find(exercise.Harder))))
            {
                problems[field] = "Another one than the exercise itself, and not the same both ways.";
            }
        }

        var taken = exercise.Also.Select(a => (Name: a, Of: current.Find(a))).FirstOrDefault(a => a.Of is not null && !a.Of.Name.Equals(replaces, StringComparison.OrdinalIgnoreCase) && !a.Of.Name.Equals(exercise.Name, StringComparison.OrdinalIgnoreCase));
        if (taken.Of is not null)
        {
            problems[nameof(Exercise.Also)] = $"“{taken.Name}” means “{taken.Of.Name}” already.";
        }
        else if (exercise.Also.Any(a => a.Length is < 2 or > 60 || a.Any(c => c is '"' or ':' or ';' or '@') || char.IsDigit(a[0])))
        {
            problems[nameof(Exercise.Also)] = "Other names have 2 to 60 characters, begin with a letter and have no quotation marks or colons.";
        }

        if (problems.Count > 0)
        {
            return problems;
        }

        if (replaces is not null && !replaces.Equals(exercise.Name, StringComparison.OrdinalIgnoreCase))
        {
            await db.ClubExercises.Where(e => e.Name == replaces).ExecuteDeleteAsync(cancel);
        }

        var row = await db.ClubExercises.SingleOrDefaultAsync(e => e.Name == exercise.Name, cancel);
        if (row is null)
        {
            row = new ClubExercise { Name = exercise.Name };
            db.ClubExercises.Add(row);
        }

        row.Json = ExerciseJson.Write(exercise);
        row.Hidden = false;
        await db.SaveChangesAsync(cancel);
        shelf.Forget();
        return problems;
    }

    /// <summary>Does several things as one: all of it is stored, or none.</summary>
    public async Task<T> TogetherAsync<T>(Func<Task<T>> act, CancellationToken cancel = default)
    {
        try
        {
            await using var step = await db.Database.BeginTransactionAsync(cancel);
            var done = await act();
            await step.CommitAsync(cancel);
            return done;
        }
        finally
        {
            // Whatever was read meanwhile may be from before, or of what was not kept.
            shelf.Forget();
        }
    }

    /// <summary>Hides an exercise from lists and completion, or shows it again; plans that name it keep it.</summary>
    public async Task HideAsync(string name, bool hidden, CancellationToken cancel = default)
    {
        var row = await db.ClubExercises.SingleOrDefaultAsync(e => e.Name == name, cancel);
        if (row is null)
        {
            // What is not there cannot be hidden, and shows anyway.
            if (!hidden || string.IsNullOrEmpty(name))
            {
                return;
            }

            row = new ClubExercise { Name = name };
            db.ClubExercises.Add(row);
        }

        row.Hidden = hidden;
        await db.SaveChangesAsync(cancel);
        shelf.Forget();
    }

    public Task<List<string>> HiddenAsync(CancellationToken cancel = default) => db.ClubExercises.Where(e => e.Hidden).OrderBy(e => e.Name).Select(e => e.Name).ToListAsync(cancel);

    public Task<bool> IsOwnAsync(string name, CancellationToken cancel = default) => db.ClubExercises.AnyAsync(e => e.Name == name && e.Json != null, cancel);
}
