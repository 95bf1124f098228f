using System.Text.Json;
using InchBurst.Data;
using Microsoft.AspNetCore.Antiforgery;

namespace InchBurst.Web.Support;

/// <summary>A start as the device tells of it that gave it.</summary>
/// <param name="Own">Which device.</param>
/// <param name="Athlete">Number of the athlete.</param>
/// <param name="Line">Number of the line.</param>
/// <param name="Rep">Rep of the athlete.</param>
/// <param name="Name">Name of the athlete.</param>
/// <param name="At">Moment of the go by the server's clock, ms since 1970.</param>
public sealed record GoTold(string? Own, int Athlete, int Line, int Rep, string? Name, long At);

/// <summary>Passes a start on to the other devices of a session, so that helpers further on can tap. Nothing of it is stored.</summary>
public static class GoDesk
{
    private const int Longest = 120;

    // A go that is older than this is no use to anybody.
    private static readonly TimeSpan Oldest = TimeSpan.FromMinutes(1);

    public static async Task<IResult> TellAsync(int id, HttpContext context, IAntiforgery forms, LiveWire wire, TimeProvider clock)
    {
        if (!await forms.IsRequestValidAsync(context))
        {
            return Results.BadRequest();
        }

        GoTold? go;
        try
        {
            go = await context.Request.ReadFromJsonAsync<GoTold>(context.RequestAborted);
        }
        catch (Exception e) when (e is JsonException or BadHttpRequestException or InvalidOperationException)
        {
            return Results.BadRequest();
        }

        var now = clock.GetUtcNow().ToUnixTimeMilliseconds();
        if (go is null || go.Own is not { Length: > 0 and <= Longest } || go.Name is not { Length: > 0 and <= Longest } || Math.Abs(now - go.At) > Oldest.TotalMilliseconds)
        {
            return Results.BadRequest();
        }

        wire.TellGo(id, JsonSerializer.Serialize(go, JsonSerializerOptions.Web));
        return Results.NoContent();
    }
}
