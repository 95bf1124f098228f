using System.Globalization;
using InchBurst.Core.Progress;
using InchBurst.Core.Sprint;
using InchBurst.Data.Entities;
using InchBurst.Data.Files;
using InchBurst.Data.Files.Csv;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data;

/// <summary>What a coach pasted or chose as a trace, read.</summary>
/// <param name="Rows">Rows of time and speed in s and m/s; empty when it could not be read.</param>
/// <param name="Wrong">Why not, in the coach's words; empty when it could.</param>
public sealed record TraceReading(IReadOnlyList<SpeedSample> Rows, string Wrong);

/// <summary>Traces of radars and lasers: read, kept, taken out.</summary>
public sealed class TraceBook(ClubDb db, CurveShelf shelf, TimeProvider clock)
{
    /// <summary>Most bytes of a trace.</summary>
    public const int MostBytes = 1_000_000;

    private const double KilometresAnHour = 1 / 3.6;
    private const double MilesAnHour = 0.44704;

    /// <summary>An athlete's traces, newest first.</summary>
    public Task<List<SpeedTrace>> OfAsync(int athleteId, CancellationToken cancel = default) =>
        db.SpeedTraces.AsNoTracking().Where(t => t.AthleteId == athleteId).OrderByDescending(t => t.Day).ThenByDescending(t => t.Id).ToListAsync(cancel);

    /// <summary>Keeps a trace.</summary>
    /// <returns>Its number.</returns>
    public async Task<int> AddAsync(int athleteId, DateOnly day, TraceDevice device, IReadOnlyList<SpeedSample> rows, TraceFitted fit, string by, CancellationToken cancel = default)
    {
        var trace = new SpeedTrace
        {
            AthleteId = athleteId,
            Day = day,
            Device = device,
            Rows = Write(rows),
            Mss = fit.Curve.Mss,
            Tau = fit.Curve.Tau,
            MssError = fit.MssError,
            TauError = fit.TauError,
            By = by,
            At = clock.GetUtcNow().UtcDateTime,
        };
        db.SpeedTraces.Add(trace);
        await db.SaveChangesAsync(cancel);
        shelf.Forget(athleteId, day);
        return trace.Id;
    }

    /// <summary>Takes a trace out, or puts it back.</summary>
    /// <returns>False when the athlete has no such trace.</returns>
    public async Task<bool> RemoveAsync(int athleteId, int id, bool removed, CancellationToken cancel = default)
    {
        if (await db.SpeedTraces.IgnoreQueryFilters().SingleOrDefaultAsync(t => t.AthleteId == athleteId && t.Id == id, cancel) is not { } trace)
        {
            return false;
        }

        trace.DeletedAt = removed ? clock.GetUtcNow().UtcDateTime : null;
        await db.SaveChangesAsync(cancel);
        shelf.Forget(athleteId, trace.Day);
        return true;
    }

    /// <summary>Curves of athletes' traces between two days, by athlete.</summary>
    internal static async Task<ILookup<int, DayCurve>> CurvesAsync(ClubDb db, IReadOnlyCollection<int> athletes, DateOnly oldest, DateOnly last, CancellationToken cancel) =>
        (await db.SpeedTraces.AsNoTracking().Where(t => athletes.Contains(t.AthleteId) && t.Day >= oldest && t.Day <= last).Select(t => new { t.AthleteId, t.Day, t.Mss, t.Tau, t.MssError, t.TauError }).ToListAsync(cancel))
        .ToLookup(t => t.AthleteId, t => new DayCurve(t.Day, FullEffort, new(t.Mss, t.Tau), t.MssError, t.TauError));

    // A trace is kept of a run all out.
    private const double FullEffort = 100;

    /// <summary>Rows as they are kept.</summary>
    public static string Write(IEnumerable<SpeedSample> rows) => string.Join(';', rows.Select(r => string.Create(CultureInfo.InvariantCulture, $"{r.Seconds:0.####} {r.Speed:0.####}")));

    /// <summary>Rows as they were kept.</summary>
    public static IReadOnlyList<SpeedSample> Read(string rows) => [.. rows.Split(';').Select(r => r.Split(' ')).Select(c => new SpeedSample(double.Parse(c[0], CultureInfo.InvariantCulture), double.Parse(c[1], CultureInfo.InvariantCulture)))];

    /// <summary>
    /// Reads the sheet of a device: rows of cells, a header or none. The columns are those that are called time and speed (or velocity), else the first two; a header that says km/h or mph
    /// is believed, and times in ms.
    /// </summary>
    /// <param name="bytes">The sheet.</param>
    public static TraceReading Sheet(byte[] bytes)
    {
        if (bytes.Length > MostBytes)
        {
            return new([], $"The trace is larger than {MostBytes / 1_000_000} MB. Cut it to one run.");
        }

        CsvSheet sheet;
        try
        {
            sheet = CsvSheet.Read(bytes);
        }
        catch (FileProblem e)
        {
            return new([], e.Message);
        }

        // What begins with numbers has no header.
        var hasHeader = !sheet.Header.All(c => c.Length == 0 || Cells.Number(c) is not null);
        var rows = hasHeader ? sheet.Rows : [new CsvRow(1, sheet.Header), .. sheet.Rows];
        var (time, speed) = hasHeader ? (Column(sheet.Header, Times), Column(sheet.Header, Speeds)) : (0, 1);
        if (time is not { } t || speed is not { } v)
        {
            return new([], $"Which columns are time and speed? The header says {string.Join(", ", sheet.Header.Take(6))}. Call them time and speed.");
        }

        var (perTime, perSpeed) = hasHeader ? (sheet.Header[t].Contains("ms", StringComparison.OrdinalIgnoreCase) ? 0.001 : 1, Unit(sheet.Header[v])) : (1, 1);
        var read = new List<SpeedSample>();
        foreach (var row in rows)
        {
            if (row.Cells.Count <= Math.Max(t, v) || Cells.Number(row.Cells[t]) is not { } seconds || Cells.Number(row.Cells[v]) is not { } metres)
            {
                return new([], $"Line {row.Line} has no time and speed: “{string.Join(sheet.Delimiter, row.Cells.Take(4))}”.");
            }

            if (metres * perSpeed > TraceFit.MostSpeed)
            {
                return new([], $"Line {row.Line}: {row.Cells[v]} is faster than anybody runs. If it is km/h or mph, say so in the header: speed (km/h).");
            }

            if (read.Count == TraceFit.MostRows)
            {
                return new([], $"More than {TraceFit.MostRows} rows. Cut the trace to one run.");
            }

            read.Add(new(seconds * perTime, metres * perSpeed));
        }

        return new(read, "");
    }

    private static readonly string[] Times = ["time", "t", "seconds", "s"];
    private static readonly string[] Speeds = ["speed", "velocity", "v"];

    private static int? Column(IReadOnlyList<string> header, string[] names)
    {
        // The words of "Speed (km/h)" are speed and km/h: the first says what it is.
        static string First(string cell) => cell.Split([' ', '(', '[', '_', '/'], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).FirstOrDefault() ?? "";
        return header.Index().Where(c => names.Contains(First(c.Item), StringComparer.OrdinalIgnoreCase)).Select(c => (int?)c.Index).FirstOrDefault();
    }

    private static double Unit(string header) =>
        header.Contains("km", StringComparison.OrdinalIgnoreCase) ? KilometresAnHour : header.Contains("mph", StringComparison.OrdinalIgnoreCase) ? MilesAnHour : 1;
}
