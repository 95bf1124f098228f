using System.Security.Cryptography;
using System.Text;

namespace InchBurst.Data;

/// <summary>Keys of which only the proof is kept.</summary>
public static class SecretKey
{
    /// <summary>A new key of so many random bytes, in characters that an address may hold.</summary>
    public static string New(int bytes) => Convert.ToBase64String(RandomNumberGenerator.GetBytes(bytes)).Replace('+', '-').Replace('/', '_').TrimEnd('=');

    /// <summary>What proves a key: its SHA-256 as hexadecimal digits.</summary>
    public static string HashOf(string key) => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(key)));
}
