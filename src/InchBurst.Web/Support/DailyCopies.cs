using InchBurst.Data;
using InchBurst.Data.Safe;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Web.Support;

/// <summary>Makes a copy of the club every day by itself, throws old ones away, and remembers what went wrong until it goes well.</summary>
public sealed partial class DailyCopies(CopyBook copies, IServiceScopeFactory scopes, TimeProvider clock, HouseOptions options, ILogger<DailyCopies> log) : BackgroundService
{
    private static readonly TimeSpan Looks = TimeSpan.FromMinutes(20);
    private static readonly TimeSpan DeedsKept = TimeSpan.FromDays(800);
    private static readonly TimeSpan VisitsKept = TimeSpan.FromDays(60);

    /// <summary>Why the last copy could not be made, or null.</summary>
    public string? Problem { get; private set; }

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        if (options.Demo)
        {
            return;
        }

        using var timer = new PeriodicTimer(Looks, clock);
        do
        {
            await LookAsync(stoppingToken);
        }
        while (await timer.WaitForNextTickAsync(stoppingToken));
    }

    /// <summary>Makes today's copy when it is still to be made.</summary>
    /// <param name="cancel">Gives up.</param>
    public async Task LookAsync(CancellationToken cancel)
    {
        try
        {
            await using var scope = scopes.CreateAsyncScope();
            var db = scope.ServiceProvider.GetRequiredService<ClubDb>();
            if (!copies.IsDue() || await db.Clubs.AsNoTracking().SingleOrDefaultAsync(cancel) is not { } club)
            {
                return;
            }

            await copies.MakeAsync(CopyKind.Daily, club.CopyFolder, cancel);
            copies.Thin(club.CopiesKept);
            Problem = null;
            var now = clock.GetUtcNow().UtcDateTime;
            await db.Deeds.Where(d => d.At < now - DeedsKept).ExecuteDeleteAsync(cancel);
            await db.Visits.Where(v => v.EndedAt < now - VisitsKept).ExecuteDeleteAsync(cancel);
        }
        catch (CopyProblem e)
        {
            Problem = e.Message;
            Said(log, e.Message);
        }
        catch (OperationCanceledException) when (cancel.IsCancellationRequested)
        {
        }
    }

    [LoggerMessage(Level = LogLevel.Error, Message = "The daily copy: {What}")]
    private static partial void Said(ILogger log, string what);
}
