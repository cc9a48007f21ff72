using System.Security.Cryptography;
using System.Text;

namespace MellowStand.Core.Notation;

/// <summary>Short names of things that have none of their own, made from what they are about.</summary>
public static class Identity
{
    private const int Digits = 16;

    /// <summary>Sixteen hexadecimal digits, the same for the same text.</summary>
    public static string Of(string text) => Of(Encoding.UTF8.GetBytes(text));

    /// <summary>Sixteen hexadecimal digits, the same for the same bytes.</summary>
    public static string Of(ReadOnlySpan<byte> bytes)
    {
        Span<byte> hash = stackalloc byte[SHA256.HashSizeInBytes];
        SHA256.HashData(bytes, hash);
        return Convert.ToHexStringLower(hash[..(Digits / 2)]);
    }
}
