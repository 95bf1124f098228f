using InchBurst.Core.Plan;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data;

/// <summary>Changes to squads and athletes. Nobody is ever deleted: retiring keeps every run.</summary>
public sealed class RosterBook(ClubDb db, TimeProvider clock)
{
    public async Task<(Squad? Squad, string? Problem)> AddSquadAsync(string? name, CancellationToken cancel = default)
    {
        if (await NameProblemAsync(name, 0, cancel) is { } problem)
        {
            return (null, problem);
        }

        var squad = new Squad { Name = name!.Trim() };
        db.Squads.Add(squad);
        await db.SaveChangesAsync(cancel);
        return (squad, null);
    }

    public async Task<string?> RenameSquadAsync(int id, string? name, CancellationToken cancel = default)
    {
        if (await NameProblemAsync(name, id, cancel) is { } problem)
        {
            return problem;
        }

        await db.Squads.Where(s => s.Id == id).ExecuteUpdateAsync(u => u.SetProperty(s => s.Name, name!.Trim()), cancel);
        return null;
    }

    public Task RetireSquadAsync(int id, bool retired, CancellationToken cancel = default) =>
        db.Squads.Where(s => s.Id == id).ExecuteUpdateAsync(u => u.SetProperty(s => s.RetiredAt, retired ? clock.GetUtcNow().UtcDateTime : null), cancel);

    public Task<Athlete?> FindAsync(int id, CancellationToken cancel = default) => db.Athletes.Include(a => a.Squad).SingleOrDefaultAsync(a => a.Id == id, cancel);

    public async Task SaveAsync(Athlete athlete, CancellationToken cancel = default)
    {
        if (athlete.Id == 0)
        {
            db.Athletes.Add(athlete);
        }

        await db.SaveChangesAsync(cancel);
    }

    /// <summary>Adds athletes by name, those apart whom the squad has already.</summary>
    /// <param name="squadId">Number of the squad.</param>
    /// <param name="text">Names, one a line or with commas or semicolons between; numbers and bullets in front are passed over.</param>
    /// <param name="cancel">Gives up.</param>
    /// <returns>Those added, how many were there before, and a name that is too long, which adds nobody.</returns>
    public async Task<(IReadOnlyList<Athlete> Added, int Known, string? TooLong)> AddManyAsync(int squadId, string? text, CancellationToken cancel = default)
    {
        var names = NamesIn(text);
        if (names.FirstOrDefault(n => n.Length > 80) is { } long80)
        {
            return ([], 0, long80[..40] + "…");
        }

        var known = (await db.Athletes.Where(a => a.SquadId == squadId && a.RetiredAt == null).Select(a => a.Name).ToListAsync(cancel)).ToHashSet(StringComparer.CurrentCultureIgnoreCase);
        var added = names.Where(n => !known.Contains(n)).Select(n => new Athlete { Name = n, SquadId = squadId }).ToList();
        db.Athletes.AddRange(added);
        await db.SaveChangesAsync(cancel);
        return (added, names.Count - added.Count, null);
    }

    /// <summary>Names in a pasted list, each once, in its order.</summary>
    /// <param name="text">The list.</param>
    public static IReadOnlyList<string> NamesIn(string? text)
    {
        var lines = (text ?? "").Split(['\n', '\r', ';', '\t'], StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)
            .Select(l => System.Text.RegularExpressions.Regex.Replace(l, @"^(\d{1,3}[.)]?|[-*•–])\s+", "")).ToArray();

        // Within one line commas stand between names; in a column "Berg, Ada" is one name, family first.
        var names = lines.Length == 1 ? lines[0].Split(',') : lines.Select(l => l.Split(',', 2) is [var family, var given] ? $"{given.Trim()} {family.Trim()}" : l);
        return
        [
            .. names.Select(n => n.Trim())
                .Where(n => n.Length > 0).Distinct(StringComparer.CurrentCultureIgnoreCase),
        ];
    }

    /// <summary>Notes pain on an athlete: from full to modified until somebody changes it; one who is out already stays out.</summary>
    public Task NotePainAsync(int id, string reason, string by, DateOnly day, CancellationToken cancel = default) =>
        db.Athletes.Where(a => a.Id == id && a.Availability == Availability.Full).ExecuteUpdateAsync(
            u => u.SetProperty(a => a.Availability, Availability.Modified).SetProperty(a => a.AvailabilityReason, $"{reason}, noted by {by}").SetProperty(a => a.AvailabilitySaidBy, "").SetProperty(a => a.AvailabilitySince, day), cancel);

    public Task RetireAsync(int id, bool retired, CancellationToken cancel = default) =>
        db.Athletes.Where(a => a.Id == id).ExecuteUpdateAsync(u => u.SetProperty(a => a.RetiredAt, retired ? clock.GetUtcNow().UtcDateTime : null), cancel);

    private async Task<string?> NameProblemAsync(string? name, int id, CancellationToken cancel) => name?.Trim() switch
    {
        null or "" => "Give the squad a name.",
        { Length: > 80 } => "A squad's name has at most 80 characters.",
        var trimmed when await db.Squads.AnyAsync(s => s.Id != id && s.Name == trimmed, cancel) => "There is a squad of that name already.",
        _ => null,
    };
}
