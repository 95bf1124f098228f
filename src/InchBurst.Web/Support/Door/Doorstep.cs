using System.Net;

namespace InchBurst.Web.Support.Door;

/// <summary>
/// Looks at every request before anything else does: its method, the name it was sent to, and where it comes from. A page elsewhere that makes its own name point at this machine
/// gets nothing (DNS rebinding), and other devices come in from private addresses only.
/// </summary>
public sealed class Doorstep(RequestDelegate next, HouseOptions options, Standstill standstill)
{
    public async Task InvokeAsync(HttpContext context)
    {
        var request = context.Request;
        if (!HttpMethods.IsGet(request.Method) && !HttpMethods.IsHead(request.Method) && !HttpMethods.IsPost(request.Method))
        {
            context.Response.Headers.Allow = "GET, HEAD, POST";
            await SayAsync(context, StatusCodes.Status405MethodNotAllowed, "This method is not used here.");
            return;
        }

        if (!IsOwnName(request.Host.Host, options))
        {
            await SayAsync(context, StatusCodes.Status400BadRequest, "This address is not Inch Burst's. Open it as it is shown under Settings, Phones and tablets.");
            return;
        }

        if (context.Connection.RemoteIpAddress is { } from && options.ProxiedAs is null && !NearbyDevices.IsPrivate(from) && !IPAddress.IsLoopback(from))
        {
            await SayAsync(context, StatusCodes.Status403Forbidden, "Only devices on the club's own network come in.");
            return;
        }

        if (request.IsHttps)
        {
            context.Response.Headers.StrictTransportSecurity = "max-age=31536000";
        }

        if (standstill.IsOn && HttpMethods.IsPost(request.Method) && !request.Path.StartsWithSegments("/Settings/Backup", StringComparison.OrdinalIgnoreCase))
        {
            context.Response.Headers.RetryAfter = "3";
            await SayAsync(context, StatusCodes.Status503ServiceUnavailable, "The club is being put back from a copy. Try again in a moment.");
            return;
        }

        await next(context);
    }

    /// <summary>True for names under which only this machine, or a machine of this network, is reached.</summary>
    /// <param name="host">Host the request was sent to, without its port.</param>
    /// <param name="options">How the program was started.</param>
    public static bool IsOwnName(string host, HouseOptions options) =>
        host.Equals("localhost", StringComparison.OrdinalIgnoreCase)
        || (IPAddress.TryParse(host.Trim('[', ']'), out var address) && (IPAddress.IsLoopback(address) || (options.Network is not null && NearbyDevices.IsPrivate(address))))
        || (options.Network is not null && (host.EndsWith(".local", StringComparison.OrdinalIgnoreCase) || host.Equals(Dns.GetHostName(), StringComparison.OrdinalIgnoreCase)))
        || (options.ProxiedAs is { } name && host.Equals(name, StringComparison.OrdinalIgnoreCase));

    private static Task SayAsync(HttpContext context, int code, string words)
    {
        context.Response.StatusCode = code;
        context.Response.ContentType = "text/plain; charset=utf-8";
        return HttpMethods.IsHead(context.Request.Method) ? Task.CompletedTask : context.Response.WriteAsync(words);
    }
}

/// <summary>On while the whole club is replaced: nothing is saved meanwhile.</summary>
public sealed class Standstill
{
    private int on;

    /// <summary>True while it is on.</summary>
    public bool IsOn => Volatile.Read(ref on) > 0;

    /// <summary>Begins; disposing what is given ends it.</summary>
    public IDisposable Begin()
    {
        Interlocked.Increment(ref on);
        return new Ending(this);
    }

    private sealed class Ending(Standstill of) : IDisposable
    {
        public void Dispose() => Interlocked.Decrement(ref of.on);
    }
}
