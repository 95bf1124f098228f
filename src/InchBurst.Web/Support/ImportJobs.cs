using System.Collections.Concurrent;
using System.Globalization;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Data.Files;
using InchBurst.Data.Files.Csv;

namespace InchBurst.Web.Support;

/// <summary>A file that somebody brings in: kept while it is looked at, with how far storing it is.</summary>
public sealed class ImportJob(string by, string name, CsvSheet sheet, DateTimeOffset at)
{
    public string By { get; } = by;

    public string Name { get; } = name;

    public CsvSheet Sheet { get; } = sheet;

    public DateTimeOffset At { get; } = at;

    public int Stored { get; set; }

    public int Of { get; set; }

    /// <summary>Number under which it can be taken back, once it is stored.</summary>
    public int? Batch { get; set; }

    public string? Problem { get; set; }

    public bool IsRunning { get; set; }
}

/// <summary>Files that are being looked at or stored; each is its owner's alone and forgotten after an hour.</summary>
public sealed class ImportJobs(IServiceScopeFactory scopes, TimeProvider clock)
{
    private const int Most = 20;
    private static readonly TimeSpan Holds = TimeSpan.FromHours(1);
    private readonly ConcurrentDictionary<Guid, ImportJob> jobs = new();

    /// <summary>Keeps a file. Gives the number it is found by.</summary>
    public Guid Keep(string by, string name, CsvSheet sheet)
    {
        foreach (var (old, job) in jobs.OrderBy(j => j.Value.At))
        {
            if (!job.IsRunning && (clock.GetUtcNow() - job.At > Holds || jobs.Count >= Most))
            {
                jobs.TryRemove(old, out _);
            }
        }

        var id = Guid.NewGuid();
        jobs[id] = new(by, name, sheet, clock.GetUtcNow());
        return id;
    }

    /// <summary>A file by its number, for whoever brought it.</summary>
    public ImportJob? Find(Guid? id, string by) => id is { } known && jobs.TryGetValue(known, out var job) && job.By == by ? job : null;

    /// <summary>Stores a file's good rows, beside the request, and notes how far it is.</summary>
    public void Store(ImportJob job, ImportKind kind, IReadOnlyList<string> columns, int squadId, DateOnly today, DistanceUnit unit, DateOnly? day, IReadOnlyDictionary<string, int> chosen)
    {
        if (job.IsRunning || job.Batch is not null)
        {
            return;
        }

        job.IsRunning = true;
        _ = Task.Run(async () =>
        {
            try
            {
                await using var scope = scopes.CreateAsyncScope();
                var db = scope.ServiceProvider.GetRequiredService<ClubDb>();
                var book = scope.ServiceProvider.GetRequiredService<ImportBook>();
                var squad = await db.Squads.FindAsync(squadId) ?? throw new FileProblem("The squad is gone.");
                var plan = ImportPlan.Of(kind, job.Sheet, columns, await book.KnownAsync(kind, squad, today, unit), day, chosen);
                job.Of = plan.Count(RowFate.New) + plan.Count(RowFate.Changes);

                // Only now do others wait, and a session that is running is read anew afterwards.
                using var turn = await scope.ServiceProvider.GetRequiredService<WriteTurn>().TakeAsync(CancellationToken.None);
                using var blocked = scope.ServiceProvider.GetRequiredService<LiveShelf>().Blocked();
                job.Batch = await book.StoreAsync(kind, plan, job.Sheet.Header, columns, squad, job.By, job.Name, (stored, of) => (job.Stored, job.Of) = (stored, of));
            }
            catch (Exception e)
            {
                // Whatever it was, nothing of the file is stored, and whoever waits is told.
                job.Problem = e is FileProblem ? e.Message : $"Nothing was stored: {e.Message}";
            }
            finally
            {
                job.IsRunning = false;
            }
        });
    }

    /// <summary>How far a file is, in percent.</summary>
    public static string Percent(ImportJob job) => (job.Of == 0 ? 0 : 100 * job.Stored / job.Of).ToString(CultureInfo.InvariantCulture);
}
