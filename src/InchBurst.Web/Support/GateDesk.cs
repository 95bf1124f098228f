using System.Security.Cryptography;
using System.Text;
using InchBurst.Core.Log;
using InchBurst.Data;

namespace InchBurst.Web.Support;

/// <summary>A run as timing gates send it.</summary>
public sealed record GateReport(Guid Run, int Lane, IReadOnlyList<GatePass>? Passes);

/// <summary>Takes what timing gates report (docs/formats.md, the gate feed).</summary>
public static class GateDesk
{
    public const string TokenHeader = "Gate-Token";

    /// <summary>A new token: 160 random bits.</summary>
    public static string NewToken() => Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(20));

    public static async Task<IResult> TakeAsync(int session, GateReport report, HttpRequest request, SquadBook squads, TracksideBook book, CancellationToken cancel)
    {
        var club = await squads.ClubOrNullAsync(cancel);
        var shown = request.Headers[TokenHeader].ToString();
        if (club is null || club.GateToken.Length == 0 || !CryptographicOperations.FixedTimeEquals(Encoding.UTF8.GetBytes(shown), Encoding.UTF8.GetBytes(club.GateToken)))
        {
            return Results.Json(new { problem = "The token is not this club's." }, statusCode: StatusCodes.Status401Unauthorized);
        }

        if (report.Run == Guid.Empty || report.Passes is not { Count: > 0 and <= GateFeed.MostPasses } passes || report.Lane is < 0 or > 20
            || passes.Any(p => p.Gate is < 0 or >= GateFeed.MostPasses || !double.IsFinite(p.Milliseconds)))
        {
            return Results.Json(new { problem = $"A report has a run id and 1 to {GateFeed.MostPasses} passes, each with a gate from 0 and milliseconds." }, statusCode: StatusCodes.Status400BadRequest);
        }

        return await book.ReportAsync(session, report.Run, report.Lane, passes, cancel)
            ? Results.Accepted()
            : Results.Json(new { problem = "That session is not running." }, statusCode: StatusCodes.Status404NotFound);
    }
}
