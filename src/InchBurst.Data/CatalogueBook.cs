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
        return new(ExerciseCatalogue.BuiltIn.All.Concat(own.Where(o => o.Json is not null).Select(o => ExerciseJson.Read(o.Json!))).Where(e => !hidden.Contains(e.Name)));
    }
}

/// <summary>The coach's changes to the catalogue.</summary>
public sealed class CatalogueBook(ClubDb db, CatalogueShelf shelf)
{
    /// <summary>The club's own exercises as JSON, and the names it has hidden.</summary>
    public async Task<(IReadOnlyList<string> Own, IReadOnlyList<string> Hidden)> OwnAsync(CancellationToken cancel = default)
    {
        var rows = await db.ClubExercises.AsNoTracking().ToListAsync(cancel);
        return ([.. rows.Select(r => r.Json).OfType<string>()], [.. rows.Where(r => r.Hidden).Select(r => r.Name)]);
    }

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

        if (exercise.Harder is { } harder && current.Find(harder) is null)
        {
            problems[nameof(Exercise.Harder)] = $"“{harder}” is not in the catalogue.";
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

    /// <summary>Hides an exercise from lists and completion, or shows it again; plans that name it keep it.</summary>
    public async Task HideAsync(string name, bool hidden, CancellationToken cancel = default)
    {
        var row = await db.ClubExercises.SingleOrDefaultAsync(e => e.Name == name, cancel);
        if (row is null)
        {
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
