using System.Security.Cryptography;
using Microsoft.Net.Http.Headers;

namespace InchBurst.Web.Support;

/// <summary>
/// Core as it runs on the device, published by itself into a folder of its own, which may still be on its way when the first page is asked for. Its address carries the
/// version of its bytes, so browsers keep it for good.
/// </summary>
public sealed class DeviceFiles(HouseOptions options)
{
    /// <summary>The file that begins it; it names the others.</summary>
    public const string First = "dotnet.js";

    private (DateTime Written, string Version)? known;

    /// <summary>Where it is found, such as /device/1a2b/_framework/; null while it is not there.</summary>
    public string? Address => Version is { } version ? $"/device/{version}/_framework/" : null;

    private string? Version
    {
        get
        {
            if (options.Device is not { } folder || new FileInfo(Path.Combine(folder, First)) is not { Exists: true } first)
            {
                return null;
            }

            if (known?.Written != first.LastWriteTimeUtc)
            {
                known = (first.LastWriteTimeUtc, Convert.ToHexStringLower(SHA256.HashData(File.ReadAllBytes(first.FullName)))[..12]);
            }

            return known?.Version;
        }
    }

    /// <summary>Serves one of its files, as it was compressed when it was published where the browser takes that.</summary>
    public IResult Send(string version, string name, HttpContext context)
    {
        if (version != Version || name != Path.GetFileName(name) || Path.Combine(options.Device!, name) is not { } path || !File.Exists(path))
        {
            return Results.NotFound();
        }

        var headers = context.Response.Headers;
        headers.CacheControl = "public, max-age=31536000, immutable";
        headers.Vary = HeaderNames.AcceptEncoding;
        if (File.Exists(path + ".br") && context.Request.Headers.AcceptEncoding.ToString().Contains("br", StringComparison.Ordinal))
        {
            headers.ContentEncoding = "br";
            return Results.File(path + ".br", TypeOf(name));
        }

        return Results.File(path, TypeOf(name));
    }

    private static string TypeOf(string name) => Path.GetExtension(name) switch
    {
        ".js" => "text/javascript",
        ".wasm" => "application/wasm",
        ".json" => "application/json",
        _ => "application/octet-stream",
    };
}
