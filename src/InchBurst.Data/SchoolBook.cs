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
        var name = session.School.Length > 0 ? session.School : await db.Squads.Where(s => s.Id == session.SquadId).Select(s => s.School).SingleOrDefaultAsync(cancel);
        return string.IsNullOrEmpty(name) ? CoachingSchool.Usual : (await AllAsync(cancel)).FirstOrDefault(s => s.Name == name) ?? CoachingSchool.Usual;
    }

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

    public Task RemoveAsync(string name, CancellationToken cancel = default) => db.ClubSchools.Where(s => s.Name == name).ExecuteDeleteAsync(cancel);

    public Task ChooseForSquadAsync(int squadId, string name, CancellationToken cancel = default) =>
        db.Squads.Where(s => s.Id == squadId).ExecuteUpdateAsync(u => u.SetProperty(s => s.School, name), cancel);
}
