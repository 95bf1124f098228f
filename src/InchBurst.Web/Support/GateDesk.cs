using System.Security.Cryptography;
using System.Text;
using InchBurst.Core.Log;
using InchBurst.Core.Shorthand;
using InchBurst.Data;

namespace InchBurst.Web.Support;

/// <summary>A run as timing gates send it.</summary>
public sealed record GateReport(Guid Run, int Lane, IReadOnlyList<GatePass>? Passes);

/// <summary>A sign of life of timing gates.</summary>
public sealed record GateSign(string? Name);

/// <summary>Takes what timing gates report (docs/formats.md, the gate feed).</summary>
public static class GateDesk
{
    public const string TokenHeader = "Gate-Token";

    /// <summary>A new token: 160 random bits.</summary>
    public static string NewToken() => Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(20));

    private const int LongestName = 40;

    public static async Task<IResult> TakeAsync(int session, HttpRequest request, SquadBook squads, TracksideBook book, CancellationToken cancel)
    {
        if (!await MayAsync(request, squads, cancel))
        {
            return WrongToken();
        }

        var (report, wrong) = await ReadAsync<GateReport>(request, cancel);
        if (report is null)
        {
            return wrong!;
        }

        if (report.Run == Guid.Empty || report.Passes is not { Count: > 0 and <= GateFeed.MostPasses } passes || report.Lane is < 0 or > 20
            || passes.Any(p => p.Gate is < 0 or >= GateFeed.MostPasses || !double.IsFinite(p.Milliseconds)))
        {
            return Results.Json(new { problem = $"A report has a run id and 1 to {GateFeed.MostPasses} passes, each with a gate from 0 and milliseconds." }, statusCode: StatusCodes.Status400BadRequest);
        }

        return await book.ReportAsync(session, report.Run, report.Lane, passes, cancel) ? Results.Accepted() : NotRunning();
    }

    /// <summary>A sign of life between runs, so that the coach sees at once when the gates fall silent.</summary>
    public static async Task<IResult> AliveAsync(int session, HttpRequest request, SquadBook squads, TracksideBook book, CancellationToken cancel)
    {
        if (!await MayAsync(request, squads, cancel))
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
            return (null, Results.Json(new { problem = "Send JSON, with the content type application/json." }, statusCode: StatusCodes.Status415UnsupportedMediaType));
        }

        if (request.ContentLength > MostBytes)
        {
            return (null, Results.Json(new { problem = $"A report has at most {MostBytes} bytes." }, statusCode: StatusCodes.Status413PayloadTooLarge));
        }

        try
        {
            return await request.ReadFromJsonAsync<T>(cancel) is { } what ? (what, null) : (null, Results.Json(new { problem = "The report is empty." }, statusCode: StatusCodes.Status400BadRequest));
        }
        catch (Exception e) when (e is System.Text.Json.JsonException or BadHttpRequestException)
        {
            return (null, Results.Json(new { problem = "This is no JSON that a report can be." }, statusCode: StatusCodes.Status400BadRequest));
        }
    }

    private static async Task<bool> MayAsync(HttpRequest request, SquadBook squads, CancellationToken cancel)
    {
        var club = await squads.ClubOrNullAsync(cancel);
        var shown = request.Headers[TokenHeader].ToString();
        return club is { GateToken.Length: > 0 } && CryptographicOperations.FixedTimeEquals(Encoding.UTF8.GetBytes(shown), Encoding.UTF8.GetBytes(club.GateToken));
    }

    private static IResult WrongToken() => Results.Json(new { problem = "The token is not this club's." }, statusCode: StatusCodes.Status401Unauthorized);

    private static IResult NotRunning() => Results.Json(new { problem = "That session is not running." }, statusCode: StatusCodes.Status404NotFound);
}
