using System.Security.Cryptography;

namespace InchBurst.Web.Support;

/// <summary>The version of the files that ship with the program: another one whenever a style, script or font changes.</summary>
public sealed class Shipped(IWebHostEnvironment host)
{
    private readonly Lazy<string> version = new(() =>
    {
        using var hash = IncrementalHash.CreateHash(HashAlgorithmName.SHA256);
        foreach (var folder in new[] { "css", "js", "lib" }.Select(f => Path.Combine(host.ContentRootPath, "wwwroot", f)).Where(Directory.Exists))
        {
            foreach (var file in Directory.GetFiles(folder, "*", SearchOption.AllDirectories).Where(f => !Path.GetFileName(f).StartsWith('.')).Order(StringComparer.Ordinal))
            {
                hash.AppendData(File.ReadAllBytes(file));
            }
        }

        return Convert.ToHexStringLower(hash.GetHashAndReset())[..12];
    });

    private readonly Lazy<string> font = new(() =>
        "/lib/archivo-latin.woff2?v=" + Convert.ToHexStringLower(SHA256.HashData(File.ReadAllBytes(Path.Combine(host.ContentRootPath, "wwwroot", "lib", "archivo-latin.woff2"))))[..12]);

    public string Version => version.Value;

    /// <summary>Address of the font most text is set in, as the style sheet names it.</summary>
    public string Font => font.Value;
}
