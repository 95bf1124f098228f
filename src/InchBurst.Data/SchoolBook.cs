using InchBurst.Core.School;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data;

/// <summary>Coaching schools: those that ship and the club's own copies.</summary>
public sealed class SchoolBook(ClubDb db)
{
    public async Task<List<CoachingSchool>> AllAsync(CancellationToken cancel = default)
    {
        var own = await db.ClubSchools.AsNoTracking().OrderBy(s => s.Name).Select(s => s.Json).ToListAsync(cancel);
        return [.. CoachingSchool.BuiltIn, .. own.Select(CoachingSchool.FromJson)];
    }

    /// <summary>The school of a session: its own choice, or its squad's, or the usual one.</summary>
    public async Task<CoachingSchool> OfAsync(TrainingSession session, CancellationToken cancel = default)
    {
        return session.School.Length > 0 ? await NamedAsync(session.School, cancel) : await OfSquadAsync(session.SquadId, cancel);
    }

    /// <summary>The school of a squad, or the usual one.</summary>
    public async Task<CoachingSchool> OfSquadAsync(int squadId, CancellationToken cancel = default) =>
        await NamedAsync(await db.Squads.Where(s => s.Id == squadId).Select(s => s.School).SingleOrDefaultAsync(cancel), cancel);

    private async Task<CoachingSchool> NamedAsync(string? name, CancellationToken cancel) =>
        string.IsNullOrEmpty(name) ? CoachingSchool.Usual : (await AllAsync(cancel)).FirstOrDefault(s => s.Name == name) ?? CoachingSchool.Usual;

    /// <summary>Copies a school under a new name.</summary>
    public async Task<CoachingSchool?> CopyAsync(string name, CancellationToken cancel = default)
    {
        var all = await AllAsync(cancel);
        if (all.FirstOrDefault(s => s.Name == name) is not { } from)
        {
            return null;
        }

        var copyName = Enumerable.Range(1, 99).Select(i => i == 1 ? $"{name}, ours" : $"{name}, ours {i}").First(n => all.All(s => s.Name != n));
        var copy = new CoachingSchool(copyName, from.About, CoachingSchool.Numbers.ToDictionary(n => n.Key, n => from.Of(n.Key)));
        db.ClubSchools.Add(new ClubSchool { Name = copy.Name, Json = copy.ToJson() });
        await db.SaveChangesAsync(cancel);
        return copy;
    }

    public Task<bool> IsOwnAsync(string name, CancellationToken cancel = default) => db.ClubSchools.AnyAsync(s => s.Name == name, cancel);

    /// <summary>Stores a changed copy; sessions and squads that use it follow a new name.</summary>
    public async Task SaveAsync(string before, CoachingSchool school, CancellationToken cancel = default)
    {
        var row = await db.ClubSchools.SingleAsync(s => s.Name == before, cancel);
        (row.Name, row.Json) = (school.Name, school.ToJson());
        await db.SaveChangesAsync(cancel);
        if (before != school.Name)
        {
            await db.Squads.Where(s => s.School == before).ExecuteUpdateAsync(u => u.SetProperty(s => s.School, school.Name), cancel);
            await db.Sessions.IgnoreQueryFilters().Where(s => s.School == before).ExecuteUpdateAsync(u => u.SetProperty(s => s.School, school.Name), cancel);
        }
    }

    /// <summary>Sets a number of a squad's school; a school that ships is copied first, and the squad follows the copy.</summary>
    public async Task<CoachingSchool> SetForSquadAsync(int squadId, string key, double value, CancellationToken cancel = default)
    {
        await using var step = await db.Database.BeginTransactionAsync(cancel);
        var school = await OfSquadAsync(squadId, cancel);
        if (!await IsOwnAsync(school.Name, cancel))
        {
            school = (await CopyAsync(school.Name, cancel))!;
            await ChooseForSquadAsync(squadId, school.Name, cancel);
        }

        var values = school.Values.ToDictionary();
        values[key] = new(value, school.Of(key).Value == value ? school.Of(key).Reason : "Our own number.");
        school = school with { Values = values };
        await SaveAsync(school.Name, school, cancel);
        await step.CommitAsync(cancel);
        return school;
    }

    public Task RemoveAsync(string name, CancellationToken cancel = default) => db.ClubSchools.Where(s => s.Name == name).ExecuteDeleteAsync(cancel);

    public Task ChooseForSquadAsync(int squadId, string name, CancellationToken cancel = default) =>
        db.Squads.Where(s => s.Id == squadId).ExecuteUpdateAsync(u => u.SetProperty(s => s.School, name), cancel);
}
