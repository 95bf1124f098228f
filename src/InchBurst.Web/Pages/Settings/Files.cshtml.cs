using System.Globalization;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Data.Files;
using InchBurst.Data.Files.Csv;
using InchBurst.Data.Safe;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.RateLimiting;

namespace InchBurst.Web.Pages.Settings;

/// <summary>Open files out and in: sheets a subject, the whole club as one file.</summary>
[RequestSizeLimit(MostBytes)]
[RequestFormLimits(MultipartBodyLengthLimit = MostBytes)]
[EnableRateLimiting(House.FileLimit)]
public sealed class FilesModel(CsvOut csv, ClubJson json, ImportBook imports, ImportJobs jobs, CopyBook copies, CurveShelf curves, LiveShelf live, CatalogueShelf catalogue, Desk desk) : PageModel
{
    /// <summary>Largest file that is taken.</summary>
    public const long MostBytes = 400_000_000;

    private const int Shown = 60;

    public IReadOnlyList<ImportBatch> Batches { get; private set; } = [];

    public Guid? JobId { get; private set; }

    public ImportJob? Job { get; private set; }

    public ImportKind Kind { get; private set; } = ImportKind.All[0];

    public IReadOnlyList<string> Columns { get; private set; } = [];

    public DateOnly? Day { get; private set; }

    public ImportPlan? Plan { get; private set; }

    public IReadOnlyList<PlannedRow> Rows { get; private set; } = [];

    public string? Said { get; private set; }

    public Dictionary<string, string> Wrong { get; } = [];

    public async Task OnGetAsync(Guid? job, string? said)
    {
        (JobId, Job) = (job, jobs.Find(job, desk.Who));
        Said = said switch { "undone" => "Taken back: everything that file brought.", "club" => "The whole club was read in. What was there before lies among the copies.", _ => null };
        await ShowAsync();
    }

    public async Task<IActionResult> OnGetSheetAsync(string? key, CancellationToken cancel)
    {
        var whole = new MemoryStream();
        if (!await csv.WriteAsync(key ?? "", whole, cancel))
        {
            return NotFound();
        }

        whole.Position = 0;
        return File(whole, "text/csv; charset=utf-8", $"{FileNames.Of((await desk.ClubAsync()).Name)}-{key}-{desk.Today:yyyy-MM-dd}.csv");
    }

    public async Task<IActionResult> OnGetClubAsync(CancellationToken cancel)
    {
        if (!User.IsInRole(Roles.Owner))
        {
            return Forbid();
        }

        var whole = new MemoryStream();
        await json.WriteAsync(whole, cancel);
        whole.Position = 0;
        return File(whole, "application/json", $"{FileNames.Of((await desk.ClubAsync()).Name)}-{desk.Today:yyyy-MM-dd}.json");
    }

    /// <summary>Takes a sheet in; it is only looked at.</summary>
    public async Task<IActionResult> OnPostOpenAsync(IFormFile? file, string? kind)
    {
        Kind = ImportKind.All.FirstOrDefault(k => k.Key == kind) ?? Kind;
        if (file is null || file.Length == 0)
        {
            return await SayAsync("file", file is null ? "Choose a file first." : "The file is empty.");
        }

        if (file.Length > CsvSheet.MostBytes)
        {
            return await SayAsync("file", $"The file is larger than {CsvSheet.MostBytes / 1_000_000} MB. Split it.");
        }

        try
        {
            using var whole = new MemoryStream();
            await file.CopyToAsync(whole);
            JobId = jobs.Keep(desk.Who, Path.GetFileName(file.FileName), CsvSheet.Read(whole.ToArray()));
        }
        catch (FileProblem e)
        {
            return await SayAsync("file", e.Message);
        }

        Job = jobs.Find(JobId, desk.Who);
        Columns = Kind.Guess(Job!.Sheet.Header, await imports.MemoryAsync(Kind.Key));
        return await JudgeAsync(new Dictionary<string, int>());
    }

    /// <summary>Judges the file anew with the columns, the day and the people that were chosen.</summary>
    public Task<IActionResult> OnPostLookAsync(Guid? job, string? kind, string? day, string[] column) => WithAsync(job, kind, day, column, JudgeAsync);

    /// <summary>Stores what was shown; when what was chosen since then changes how much that is, it is shown again first.</summary>
    public Task<IActionResult> OnPostStoreAsync(Guid? job, string? kind, string? day, string[] column, int shown) => WithAsync(job, kind, day, column, async chosen =>
    {
        await JudgeAsync(chosen);
        if (Plan is null || Plan.Count(RowFate.New) + Plan.Count(RowFate.Changes) == 0)
        {
            Wrong["store"] = "There is nothing in it to store.";
            return Page();
        }

        var now = Plan.Count(RowFate.New) + Plan.Count(RowFate.Changes);
        if (now != shown)
        {
            Wrong["store"] = $"With what you chose {now} rows come in now. Look, and store them.";
            return Page();
        }

        jobs.Store(Job!, Kind, Columns, (await desk.SquadAsync())!.Id, desk.Today, (await desk.ClubAsync()).DistanceUnit, Day, chosen);
        return Redirect($"/Settings/Files?job={JobId}");
    });

    public async Task<IActionResult> OnPostUndoAsync(int batch)
    {
        live.Block();
        try
        {
            return await imports.UndoAsync(batch) ? Redirect("/Settings/Files?said=undone") : await SayAsync("undo", "That was taken back already.");
        }
        finally
        {
            live.Release();
        }
    }

    /// <summary>Puts a whole club's open file in the place of what is there; the present club is put aside first.</summary>
    public async Task<IActionResult> OnPostClubAsync(IFormFile? file, string? sure)
    {
        if (!User.IsInRole(Roles.Owner))
        {
            return Forbid();
        }

        if (file is null || file.Length == 0)
        {
            return await SayAsync("club", file is null ? "Choose a file first." : "The file is empty.");
        }

        if (sure != "yes")
        {
            return await SayAsync("sure", "Tick that everything may be replaced.");
        }

        live.Block();
        try
        {
            await copies.MakeAsync(CopyKind.Aside);
            await using var from = file.OpenReadStream();
            await json.ReadAsync(from);
        }
        catch (Exception e) when (e is FileProblem or CopyProblem)
        {
            return await SayAsync("club", e.Message);
        }
        finally
        {
            live.Release();
        }

        curves.ForgetAll();
        catalogue.Forget();
        return Redirect("/Settings/Files?said=club");
    }

    public string When(DateTime utc) => desk.LocalText(utc);

    private async Task<IActionResult> WithAsync(Guid? job, string? kind, string? day, string[] column, Func<IReadOnlyDictionary<string, int>, Task<IActionResult>> act)
    {
        (JobId, Job) = (job, jobs.Find(job, desk.Who));
        Kind = ImportKind.All.FirstOrDefault(k => k.Key == kind) ?? Kind;
        if (Job is null || Job.IsRunning || Job.Batch is not null)
        {
            return await SayAsync("file", "That file is no longer at hand. Choose it once more.");
        }

        // A field stands for one column; the first that says it has it.
        var taken = new HashSet<string>();
        Columns = [.. Job.Sheet.Header.Select((_, i) => i < column.Length && Kind.Fields.Any(f => f.Key == column[i]) && taken.Add(column[i]) ? column[i] : "")];
        Day = DateOnly.TryParseExact(day, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var said) && said.Year is > 1950 and < 2100 ? said : null;
        var chosen = new Dictionary<string, int>();
        for (var i = 0; i < 500 && Request.Form.TryGetValue($"typed-{i}", out var typed); i++)
        {
            if (int.TryParse(Request.Form[$"who-{i}"], CultureInfo.InvariantCulture, out var who) && typed.ToString().Length > 0)
            {
                chosen[typed.ToString()] = who;
            }
        }

        return await act(chosen);
    }

    private async Task<IActionResult> JudgeAsync(IReadOnlyDictionary<string, int> chosen)
    {
        if (await desk.SquadAsync() is not { } squad)
        {
            return await SayAsync("file", "Make a squad first; what is read in belongs to one.");
        }

        Plan = ImportPlan.Of(Kind, Job!.Sheet, Columns, await imports.KnownAsync(Kind, squad, desk.Today, (await desk.ClubAsync()).DistanceUnit), Day, chosen);

        // What needs eyes comes first.
        Rows = [.. Plan.Rows.OrderByDescending(r => r.Fate == RowFate.Wrong).ThenByDescending(r => r.Fate == RowFate.Changes).Take(Shown)];
        await ShowAsync();
        return Page();
    }

    private async Task<IActionResult> SayAsync(string field, string words)
    {
        Wrong[field] = words;
        await ShowAsync();
        return Page();
    }

    private async Task ShowAsync() => Batches = await imports.BatchesAsync();
}
