using InchBurst.Data;
using InchBurst.Web.Support;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace InchBurst.Tests;

/// <summary>
/// The demo's club, which takes half a minute to make: made once for all test programs of one build and one day, and copied by every test. Whoever asks first makes it beside its
/// place and moves it there whole, so that nobody ever copies half of one.
/// </summary>
internal static class DemoFolder
{
    private const string Begin = "inch-burst-demo-";
    private static readonly Lazy<Task<string>> Made = new(MakeAsync);

    /// <summary>Puts a copy into a folder that is not there yet.</summary>
    public static async Task CopyAsync(string to)
    {
        var from = await Made.Value;
        foreach (var file in Directory.GetFiles(from, "*", SearchOption.AllDirectories).Where(f => !f.EndsWith("-wal", StringComparison.Ordinal) && !f.EndsWith("-shm", StringComparison.Ordinal)))
        {
            var copy = Path.Combine(to, Path.GetRelativePath(from, file));
            Directory.CreateDirectory(Path.GetDirectoryName(copy)!);
            File.Copy(file, copy);
        }
    }

    private static async Task<string> MakeAsync()
    {
        var build = string.Join('-', new[] { typeof(House), typeof(ClubDb), typeof(Core.Plan.PlanLine) }.Select(t => t.Module.ModuleVersionId.ToString("N")[..8]));
        var folder = Path.Combine(Path.GetTempPath(), $"{Begin}{DateTime.Now:yyyyMMdd}-{build}");
        if (Directory.Exists(folder))
        {
            return folder;
        }

        var making = Path.Combine(Path.GetTempPath(), $"{Begin}making-{Guid.NewGuid():N}");
        await using (var app = House.Build([], new HouseOptions(making, 0, true, false, ContentRoot: Path.Combine(Repository.Root, "src/InchBurst.Web"))))
        {
            await House.PrepareAsync(app);
            await using var scope = app.Services.CreateAsyncScope();
            await scope.ServiceProvider.GetRequiredService<ClubDb>().Database.ExecuteSqlRawAsync("PRAGMA wal_checkpoint(TRUNCATE)");
        }

        foreach (var old in Directory.GetDirectories(Path.GetTempPath(), Begin + "*").Where(d => Directory.GetCreationTimeUtc(d) < DateTime.UtcNow.AddDays(-1)))
        {
            Directory.Delete(old, true);
        }

        try
        {
            Directory.Move(making, folder);
        }
        catch (IOException) when (Directory.Exists(folder))
        {
            // Another program made it meanwhile.
            Directory.Delete(making, true);
        }

        return folder;
    }
}
