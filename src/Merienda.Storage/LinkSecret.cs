using System.Buffers.Text;
using System.Security.Cryptography;
using System.Text;

namespace Merienda.Storage;

/// <summary>What a link carries; only its hash is kept, so that who reads a table cannot make the link.</summary>
public static class LinkSecret
{
    private const int Bytes = 24;

    public static string New() => Base64Url.EncodeToString(RandomNumberGenerator.GetBytes(Bytes));

    /// <summary>SHA-256 in hex.</summary>
    internal static string Hash(string secret) => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(secret)));

    /// <summary>As much of it as tells which link was meant.</summary>
    internal static string Shown(string secret) => secret.Length > 12 ? $"{secret[..12]}…" : secret;
}
