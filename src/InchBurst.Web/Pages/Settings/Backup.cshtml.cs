using System.Globalization;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Data.Safe;
using InchBurst.Web.Support;
using InchBurst.Web.Support.Door;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.RateLimiting;

namespace InchBurst.Web.Pages.Settings;

/// <summary>Copies of the club, and putting one back.</summary>
[Authorize(Roles = Roles.Owner)]
[RequestSizeLimit(MostBytes)]
[RequestFormLimits(MultipartBodyLengthLimit = MostBytes)]
[EnableRateLimiting(House.FileLimit)]
public sealed class BackupModel(ClubDb db, SquadBook squads, CopyBook copies, DailyCopies daily, CurveShelf curves, LiveShelf live, CatalogueShelf catalogue, VisitShelf visits, Standstill standstill, HouseOptions options, Desk desk, TimeProvider clock) : PageModel
{
    /// <summary>Largest file that is taken.</summary>
    public const long MostBytes = 2_000_000_000;

    private const string Incoming = "incoming-";

    public IReadOnlyList<CopyFile> Copies { get; private set; } = [];

    public ClubLook Now { get; private set; } = new(null);

    public string? DailyProblem => daily.Problem;

    public bool IsDemo => options.Demo;

    public string Folder => copies.Copies;

    public int Kept { get; private set; }

    public string Also { get; private set; } = "";

    public string? Said { get; private set; }

    /// <summary>Copy under which what was there before the last putting back lies, to take it back.</summary>
    public string? Aside { get; private set; }

    /// <summary>File that is looked at before it is put back, by the name under which it waits; null otherwise.</summary>
    public string? Waiting { get; private set; }

    public string WaitingCalled { get; private set; } = "";

    public ClubLook? Look { get; private set; }

    public Dictionary<string, string> Wrong { get; } = [];

    public async Task OnGetAsync(string? made, string? back)
    {
        Said = made is not null && copies.PathOf(made) is not null ? $"Copied and read through: {made}." : back is not null ? "Put back. What there was before lies among the copies." : null;
        Aside = back is { Length: > 0 } && copies.PathOf(back) is not null ? back : null;
        await ShowAsync();
    }

    public async Task<IActionResult> OnPostMakeAsync()
    {
        var club = await squads.ClubAsync();
        try
        {
            return Redirect("/Settings/Backup?made=" + Uri.EscapeDataString(Path.GetFileName(await copies.MakeAsync(CopyKind.Asked, club.CopyFolder))));
        }
        catch (CopyProblem e)
        {
            return await SayAsync("make", e.Message);
        }
    }

    public async Task<IActionResult> OnPostKeepAsync(string? kept, string? also)
    {
        (Also, Kept) = ((also ?? "").Trim(), 0);
        if (!int.TryParse(kept, CultureInfo.InvariantCulture, out var number) || number is < 1 or > 400)
        {
            Wrong["kept"] = "How many daily copies are kept: a whole number from 1 to 400.";
        }

        if (Also.Length > 0)
        {
            try
            {
                if (!Path.IsPathFullyQualified(Also) || Path.GetFullPath(Also).StartsWith(Path.GetFullPath(options.DataFolder), StringComparison.Ordinal))
                {
                    Wrong["also"] = "Name a folder from the root on, outside the club's own, such as /media/stick/club.";
                }
                else
                {
                    var probe = Path.Combine(Directory.CreateDirectory(Also).FullName, $".{Guid.NewGuid():N}");
                    await System.IO.File.WriteAllTextAsync(probe, "");
                    System.IO.File.Delete(probe);
                }
            }
            catch (Exception e) when (e is IOException or UnauthorizedAccessException or ArgumentException)
            {
                Wrong["also"] = $"Nothing can be written there: {e.Message}";
            }
        }

        if (Wrong.Count > 0)
        {
            return await SayAsync("", "");
        }

        var club = await squads.ClubAsync();
        (club.CopiesKept, club.CopyFolder) = (number, Also);
        await db.SaveChangesAsync();
        copies.Thin(number);
        return Redirect("/Settings/Backup");
    }

    public IActionResult OnGetFetch(string? name) => copies.PathOf(name) is { } path ? PhysicalFile(path, "application/vnd.sqlite3", name) : NotFound();

    /// <summary>Takes a file in and shows what it holds; nothing is changed yet.</summary>
    public async Task<IActionResult> OnPostLookAsync(IFormFile? file, string? name)
    {
        ClearOld();
        if (copies.PathOf(name) is { } known)
        {
            (Waiting, WaitingCalled, Look) = (name, name!, await ClubLook.AtAsync(known));
        }
        else if (file is null || file.Length == 0)
        {
            return await SayAsync("file", file is null ? "Choose a file first." : "The file is empty.");
        }
        else
        {
            var waiting = $"{Incoming}{Guid.NewGuid():N}.db";
            var path = Path.Combine(Directory.CreateDirectory(copies.Copies).FullName, waiting);
            try
            {
                await using (var to = new FileStream(path, FileMode.CreateNew))
                {
                    await file.CopyToAsync(to);
                }

                CopyBook.OwnerOnly(path);
                Look = await ClubLook.AtAsync(path);
                (Waiting, WaitingCalled) = (waiting, Path.GetFileName(file.FileName));
            }
            catch (IOException e)
            {
                System.IO.File.Delete(path);
                return await SayAsync("file", $"The file could not be taken in: {e.Message}");
            }

            if (Look.Problem is not null)
            {
                System.IO.File.Delete(path);
            }
        }

        if (Look!.Problem is { } problem)
        {
            Waiting = null;
            return await SayAsync("file", problem);
        }

        await ShowAsync();
        return Page();
    }

    /// <summary>Puts a file that was looked at in the place of the club.</summary>
    public async Task<IActionResult> OnPostBackAsync(string? name, string? sure)
    {
        var path = copies.PathOf(name) ?? IncomingPath(name);
        if (path is null)
        {
            return await SayAsync("file", "That file is gone. Choose it once more.");
        }

        if (sure != "yes")
        {
            (Waiting, WaitingCalled, Look) = (name, "the file", await ClubLook.AtAsync(path));
            return await SayAsync("sure", "Tick that this club's file may be replaced.");
        }

        try
        {
            string aside;
            using (standstill.Begin())
            {
                live.Block();
                try
                {
                    aside = await copies.PutBackAsync(path);
                }
                finally
                {
                    live.Release();
                }
            }

            curves.ForgetAll();
            catalogue.Forget();
            visits.Forget();
            if (path == IncomingPath(name))
            {
                System.IO.File.Delete(path);
            }

            return Redirect("/Settings/Backup?back=" + Uri.EscapeDataString(aside));
        }
        catch (CopyProblem e)
        {
            return await SayAsync("file", e.Message);
        }
    }

    public string When(DateTime utc) => desk.LocalText(utc);

    public static string Size(long bytes) => bytes >= 1_000_000 ? $"{bytes / 1e6:0.0} MB" : $"{bytes / 1e3:0} kB";

    public static string WordsOf(CopyKind kind) => kind switch { CopyKind.Daily => "daily", CopyKind.Aside => "put aside", CopyKind.Before => "before an update", _ => "asked for" };

    // Only names made above are ever looked for.
    private string? IncomingPath(string? name) => name is not null && name.StartsWith(Incoming, StringComparison.Ordinal) && name.EndsWith(".db", StringComparison.Ordinal) && Guid.TryParseExact(name[Incoming.Length..^3], "N", out var number)
        && Path.Combine(copies.Copies, $"{Incoming}{number:N}.db") is var path && System.IO.File.Exists(path) ? path : null;

    private void ClearOld()
    {
        if (!Directory.Exists(copies.Copies))
        {
            return;
        }

        foreach (var old in Directory.EnumerateFiles(copies.Copies, Incoming + "*").Where(f => System.IO.File.GetLastWriteTimeUtc(f) < clock.GetUtcNow().UtcDateTime.AddHours(-2)))
        {
            System.IO.File.Delete(old);
        }
    }

    private async Task<IActionResult> SayAsync(string field, string words)
    {
        if (field.Length > 0)
        {
            Wrong[field] = words;
        }

        await ShowAsync();
        return Page();
    }

    private async Task ShowAsync()
    {
        Copies = copies.All();
        Now = await ClubLook.AtAsync(copies.Club, isQuick: true);
        var club = await squads.ClubAsync();
        Kept = club.CopiesKept;
        Also = Also.Length > 0 ? Also : club.CopyFolder;
    }
}
