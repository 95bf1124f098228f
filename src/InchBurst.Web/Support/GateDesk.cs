using InchBurst.Core.Log;
using InchBurst.Core.Shorthand;
using InchBurst.Data;
using Microsoft.AspNetCore.Http.Features;

namespace InchBurst.Web.Support;

/// <summary>A start as a device sends it, ms by the report's clock; lane 0 is the report's.</summary>
public sealed record GateStartSign(int Lane, double? Go, double? Moved);

/// <summary>A run as timing gates send it.</summary>
public sealed record GateReport(Guid Run, int Lane, IReadOnlyList<GatePass>? Passes)
{
    /// <summary>How many gates stand on the lane; 0 when they do not say.</summary>
    public int Gates { get; init; }

    /// <summary>How long ago the run ended when this was sent, ms: what comes late is put where it belongs.</summary>
    public double Ago { get; init; }

    /// <summary>Gates with clocks of their own: how far each is ahead.</summary>
    public IReadOnlyList<GateClock>? Clocks { get; init; }

    /// <summary>What a signal and a pad tell of the start, a lane each.</summary>
    public IReadOnlyList<GateStartSign>? Starts { get; init; }
}

/// <summary>A sign of life of timing gates.</summary>
public sealed record GateSign(string? Name);

/// <summary>Takes what timing gates report (docs/formats.md, the gate feed).</summary>
public static class GateDesk
{
    /// <summary>Where devices send to.</summary>
    public const string Address = "/gates";

    /// <summary>The header that carries a device's key.</summary>
    public const string TokenHeader = "Gate-Token";

    private const int LongestName = 40;

    public static async Task<IResult> TakeAsync(int session, HttpRequest request, KeyBook keys, TracksideBook book, CancellationToken cancel)
    {
        if (!await keys.LetsInAsync(request.Headers[TokenHeader].ToString(), cancel))
        {
            return WrongToken();
        }

        var (report, wrong) = await ReadAsync<GateReport>(request, cancel);
        if (report is null)
        {
            return wrong!;
        }

        if (report.Run == Guid.Empty || report.Passes is not { Count: > 0 and <= GateFeed.MostPasses } passes || report.Lane is < 0 or > 20
            || passes.Any(p => p.Gate is < 0 or >= GateFeed.MostPasses || p.Lane is < 0 or > 20 || !double.IsFinite(p.Milliseconds)) || report.Gates is < 0 or > GateFeed.MostPasses || report.Clocks?.Count > GateFeed.MostPasses)
        {
            return Problem(StatusCodes.Status400BadRequest, $"A report has a run id and 1 to {GateFeed.MostPasses} passes, each with a gate from 0 and milliseconds.");
        }

        if (!double.IsFinite(report.Ago) || report.Ago is < 0 or > LongestAgo)
        {
            return Problem(StatusCodes.Status400BadRequest, "A run lies up to a day back: ago is in ms.");
        }

        if (report.Starts is { } told && (told.Count > MostStarts || told.Any(s => s is null or { Lane: < 0 or > 20 } || !double.IsFinite(s.Go ?? 0) || !double.IsFinite(s.Moved ?? 0))))
        {
            return Problem(StatusCodes.Status400BadRequest, $"A report has up to {MostStarts} starts, each with a lane, go and moved in ms.");
        }

        // Gates of several lanes may share a report: each lane is a run of its own.
        var (together, note) = GateFeed.Together(passes, report.Clocks ?? []);
        var lanes = GateFeed.Lanes(together, report.Lane);
        var starts = (report.Starts ?? []).Select(s => (s.Lane > 0 ? s.Lane : report.Lane, new GateStart(s.Go, s.Moved))).ToList();
        var runs = lanes.Select((l, i) => new GateRun(i == 0 ? report.Run : Of(report.Run, l.Lane), l.Lane, l.Passes, report.Gates, TimeSpan.FromMilliseconds(report.Ago), note, GateStart.Of(starts, l.Lane, lanes.Count == 1))).ToList();
        return runs.Count == 0 ? Problem(StatusCodes.Status400BadRequest, note ?? "There is no pass by a clock that can be trusted.") : await book.ReportAsync(session, runs, cancel) ? Results.Accepted() : NotRunning();
    }

    private const double LongestAgo = 86_400_000;
    private const int MostStarts = 20;

    // The same for the same report and lane, so that sending twice stores once.
    private static Guid Of(Guid run, int lane)
    {
        var bytes = run.ToByteArray();
        bytes[15] ^= (byte)(lane + 1);
        return new(bytes);
    }

    /// <summary>Which sessions run, for a device that looks for its own.</summary>
    public static async Task<IResult> RunningAsync(HttpRequest request, KeyBook keys, TracksideBook book, CancellationToken cancel) =>
        await keys.LetsInAsync(request.Headers[TokenHeader].ToString(), cancel) ? Results.Json(await book.RunningAsync(cancel)) : WrongToken();

    /// <summary>A sign of life between runs, so that the coach sees at once when the gates fall silent.</summary>
    public static async Task<IResult> AliveAsync(int session, HttpRequest request, KeyBook keys, TracksideBook book, CancellationToken cancel)
    {
        if (!await keys.LetsInAsync(request.Headers[TokenHeader].ToString(), cancel))
        {
            return WrongToken();
        }

        var (sign, wrong) = await ReadAsync<GateSign>(request, cancel);
        if (sign is null)
        {
            return wrong!;
        }

        var name = (sign.Name ?? "").Trim();
        return await book.HearGatesAsync(session, name[..Math.Min(LongestName, name.Length)], cancel) ? Results.Accepted() : NotRunning();
    }

    private const long MostBytes = 64_000;

    // A device gets a reason it can write down, whatever it sends.
    private static async Task<(T? What, IResult? Wrong)> ReadAsync<T>(HttpRequest request, CancellationToken cancel)
        where T : class
    {
        if (!request.HasJsonContentType())
        {
            return (null, Problem(StatusCodes.Status415UnsupportedMediaType, "Send JSON, with the content type application/json."));
        }

        if (request.ContentLength > MostBytes)
        {
            return (null, TooLarge());
        }

        // However it is sent: what says no length is cut off there too.
        if (request.HttpContext.Features.Get<IHttpMaxRequestBodySizeFeature>() is { IsReadOnly: false } most)
        {
            most.MaxRequestBodySize = MostBytes;
        }

        try
        {
            return await request.ReadFromJsonAsync<T>(cancel) is { } what ? (what, null) : (null, Problem(StatusCodes.Status400BadRequest, "The report is empty."));
        }
        catch (BadHttpRequestException e) when (e.StatusCode == StatusCodes.Status413PayloadTooLarge)
        {
            return (null, TooLarge());
        }
        catch (Exception e) when (e is System.Text.Json.JsonException or BadHttpRequestException or InvalidOperationException)
        {
            return (null, Problem(StatusCodes.Status400BadRequest, "This is no JSON that a report can be."));
        }
    }

    /// <summary>Whatever is sent to an address there is not, or in another way than by POST.</summary>
    public static IResult NoSuch(HttpRequest request) => HttpMethods.IsPost(request.Method)
        ? Problem(StatusCodes.Status404NotFound, "There is no such address. Send to /gates/ and the session's number, or to /gates/, the number and /alive.")
        : Problem(StatusCodes.Status405MethodNotAllowed, "Send by POST.");

    private static IResult Problem(int code, string words) => Results.Json(new { problem = words }, statusCode: code);

    private static IResult TooLarge() => Problem(StatusCodes.Status413PayloadTooLarge, $"A report has at most {MostBytes} bytes.");

    private static IResult WrongToken() => Problem(StatusCodes.Status401Unauthorized, "This key lets nobody in. Make one for this device in Settings.");

    private static IResult NotRunning() => Problem(StatusCodes.Status404NotFound, "That session is not running.");
}
