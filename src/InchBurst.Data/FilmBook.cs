using InchBurst.Core.Film;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data;

/// <summary>What was marked on clips: kept with athlete and run, changed, taken out.</summary>
public sealed class FilmBook(ClubDb db, TimeProvider clock)
{
    /// <summary>Most characters of marks.</summary>
    public const int MostMarks = 200_000;

    /// <summary>Most characters of a picture.</summary>
    public const int MostStill = 400_000;

    // Every JPEG begins so, in base64.
    private const string Jpeg = "/9j/";

    /// <summary>True for what can be kept as a picture: a JPEG in base64, not too large.</summary>
    /// <param name="still">Its text.</param>
    public static bool IsStill(string still) => still.Length <= MostStill && still.StartsWith(Jpeg, StringComparison.Ordinal) && Convert.TryFromBase64String(still, new byte[still.Length], out _);

    /// <summary>The newest reading whose picture an athlete may see, or null.</summary>
    public Task<FilmReading?> ShownToAsync(int athleteId, CancellationToken cancel = default) =>
        db.FilmReadings.AsNoTracking().Where(f => f.AthleteId == athleteId && f.StillFor == StillFor.Athlete).OrderByDescending(f => f.Day).ThenByDescending(f => f.Id).FirstOrDefaultAsync(cancel);

    /// <summary>An athlete's readings of film, newest first.</summary>
    public Task<List<FilmReading>> OfAsync(int athleteId, CancellationToken cancel = default) =>
        db.FilmReadings.AsNoTracking().Where(f => f.AthleteId == athleteId).OrderByDescending(f => f.Day).ThenByDescending(f => f.Id).ToListAsync(cancel);

    /// <summary>Keeps what was marked.</summary>
    /// <param name="athleteId">The athlete.</param>
    /// <param name="id">The reading that is changed; null for a new one.</param>
    /// <param name="version">Version the change began with.</param>
    /// <param name="marks">What was marked.</param>
    /// <param name="runId">The run that was filmed, or null.</param>
    /// <param name="day">Day of the film, where there is no run.</param>
    /// <param name="still">Picture of one frame, and who may see it; null leaves what is kept as it is.</param>
    /// <param name="by">Who.</param>
    /// <param name="cancel">Stops it.</param>
    /// <returns>The reading; null with a reason where it cannot be kept.</returns>
    public async Task<(FilmReading? Kept, string Wrong)> SaveAsync(int athleteId, int? id, int version, FilmMarks marks, long? runId, DateOnly day, (string Jpeg, StillFor For)? still, string by, CancellationToken cancel = default)
    {
        var run = runId is { } wanted ? await db.Runs.AsNoTracking().SingleOrDefaultAsync(r => r.Id == wanted && r.AthleteId == athleteId, cancel) : null;
        if (runId is not null && run is null)
        {
            return (null, "That run is no longer there. Choose another, or only the day.");
        }

        var row = id is null ? new FilmReading { AthleteId = athleteId } : await db.FilmReadings.SingleOrDefaultAsync(f => f.Id == id && f.AthleteId == athleteId, cancel);
        if (row is null)
        {
            return (null, "These figures were taken out meanwhile. Yours are saved as new ones from here.");
        }

        if (row.Version != version && id is not null)
        {
            return (null, $"{row.By} changed these figures meanwhile. Yours are saved as new ones from here.");
        }

        (row.RunId, row.Day, row.By, row.At) = (run?.Id, run?.Day ?? day, by, clock.GetUtcNow().UtcDateTime);
        Fill(row, marks);
        if (still is { } picture)
        {
            (row.Still, row.StillFor) = picture.For == StillFor.Nobody ? ("", StillFor.Nobody) : picture;
        }

        row.Version = version + 1;
        if (id is null)
        {
            db.FilmReadings.Add(row);
        }

        try
        {
            await db.SaveChangesAsync(cancel);
        }
        catch (DbUpdateConcurrencyException)
        {
            return (null, "Somebody else changed these figures in the same moment. Yours are saved as new ones from here.");
        }

        return (row, "");
    }

    /// <summary>Puts what was marked into a row, with the sums that lists show.</summary>
    /// <param name="row">The row.</param>
    /// <param name="marks">What was marked.</param>
    internal static void Fill(FilmReading row, FilmMarks marks)
    {
        var steps = FilmSteps.Of(marks);
        row.Marks = marks.Write();
        (row.Contact, row.ContactWithin, row.Flight) = (steps.Contact?.Value, steps.Contact?.Within, steps.Flight?.Value);
        (row.Frequency, row.FrequencyWithin, row.Length) = (steps.Frequency?.Value, steps.Frequency?.Within, steps.Length?.Value);
        (row.Speed, row.SpeedWithin) = (steps.Speed?.Value, steps.Speed?.Within);
    }

    /// <summary>Takes a reading out, or puts it back.</summary>
    /// <returns>False when the athlete has no such reading.</returns>
    public async Task<bool> RemoveAsync(int athleteId, int id, bool removed, CancellationToken cancel = default)
    {
        if (await db.FilmReadings.IgnoreQueryFilters().SingleOrDefaultAsync(f => f.AthleteId == athleteId && f.Id == id, cancel) is not { } row)
        {
            return false;
        }

        row.DeletedAt = removed ? clock.GetUtcNow().UtcDateTime : null;
        await db.SaveChangesAsync(cancel);
        return true;
    }
}
