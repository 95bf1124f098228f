using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Data.Safe;
using InchBurst.Web.Support.Door;
using Microsoft.AspNetCore.Identity;

namespace InchBurst.Web.Support;

/// <summary>What whoever keeps the machine can do from a command line instead of serving.</summary>
public static class HouseCommands
{
    /// <summary>Does what the options say and prints what came of it. Gives the exit code.</summary>
    /// <param name="options">How the program was started.</param>
    /// <param name="clock">The time.</param>
    /// <param name="say">Where to print.</param>
    public static async Task<int> RunAsync(HouseOptions options, TimeProvider clock, TextWriter say)
    {
        var (verb, with) = options.Command!.Value;
        var book = new CopyBook(options.DataFolder, clock);
        try
        {
            switch (verb)
            {
                case "check":
                    return await CheckAsync(with.Length > 0 ? with : book.Club, say);
                case "backup" when !File.Exists(book.Club):
                    await say.WriteLineAsync($"There is no club in {options.DataFolder}.");
                    return 4;
                case "backup":
                    await book.WriteAsync(with);
                    return await CheckAsync(with, say);
                case "restore":
                    return await RestoreAsync(options, book, with, say);
                default:
                    return await NewPasswordAsync(options, with, say);
            }
        }
        catch (Exception e) when (e is CopyProblem or HouseProblem)
        {
            await say.WriteLineAsync(e.Message);
            return 4;
        }
    }

    /// <summary>What a file holds, in one line.</summary>
    /// <param name="look">The look at it.</param>
    public static string InWords(ClubLook look) => look.Problem
        ?? $"{look.Club}: {look.Athletes} athletes, {look.Sessions} sessions, {look.Runs} runs{(look.LastDay is { } day ? $", the last on {day:yyyy-MM-dd}" : "")}; signs in: {string.Join(", ", look.People ?? [])}.{(look.IsOlder ? " From an older program; it is brought up to date when it is put back." : "")}";

    private static async Task<int> CheckAsync(string path, TextWriter say)
    {
        var look = await ClubLook.AtAsync(path);
        await say.WriteLineAsync($"{path}: {(look.Problem is null ? "whole. " : "")}{InWords(look)}");
        return look.Problem is null ? 0 : 4;
    }

    private static async Task<int> RestoreAsync(HouseOptions options, CopyBook book, string from, TextWriter say)
    {
        using var guard = FolderGuard.Take(options.DataFolder) ?? throw new HouseProblem(Taken(options));
        var aside = await book.PutBackAsync(from);
        var look = await ClubLook.AtAsync(book.Club);
        guard.Settled(look.Club);
        await say.WriteLineAsync($"Put back. {InWords(look)}");
        if (aside.Length > 0)
        {
            await say.WriteLineAsync($"What was there before is in {Path.Combine(book.Copies, aside)}.");
        }

        return 0;
    }

    // Whoever can write the file can do this anyway; it is the way back in for an owner who forgot.
    private static async Task<int> NewPasswordAsync(HouseOptions options, string name, TextWriter say)
    {
        await using var app = House.Build([], options with { Port = 0, Network = null });
        await using var scope = app.Services.CreateAsyncScope();
        await ClubFile.BringUpToDateAsync(scope.ServiceProvider.GetRequiredService<ClubDb>(), options.DataFolder, scope.ServiceProvider.GetRequiredService<TimeProvider>());
        var users = scope.ServiceProvider.GetRequiredService<UserManager<AppUser>>();
        if (await users.FindByNameAsync(name) is not { } user)
        {
            var names = users.Users.Select(u => u.UserName).OrderBy(n => n).ToList();
            await say.WriteLineAsync($"Nobody is called {name}. {(names.Count == 0 ? "There are no accounts yet." : $"There are: {string.Join(", ", names)}.")}");
            return 4;
        }

        var password = await scope.ServiceProvider.GetRequiredService<PeopleBook>().GivePasswordAsync(user);
        await say.WriteLineAsync($"{name} signs in with this password once and chooses a new one then: {password}");
        return 0;
    }

    /// <summary>Said when another program has the folder.</summary>
    /// <param name="options">How the program was started.</param>
    public static string Taken(HouseOptions options) => $"Another Inch Burst has {options.DataFolder} open. Stop it first, or choose another folder with --data DIR.";
}
