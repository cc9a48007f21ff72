using System.Collections.Concurrent;
using System.Security.Cryptography;

namespace MellowStand.Server.Services;

/// <summary>The last few prints that were made, kept until they are fetched or newer ones come.</summary>
public sealed class MadePrints
{
    private const int MostKept = 3;

    private readonly ConcurrentQueue<(string Key, string Name, byte[] Zip)> _made = new();

    /// <summary>Keeps a print and answers its key.</summary>
    /// <param name="name">Name of the file.</param>
    /// <param name="zip">Its bytes.</param>
    public string Keep(string name, byte[] zip)
    {
        var key = Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(16));
        _made.Enqueue((key, name, zip));
        while (_made.Count > MostKept && _made.TryDequeue(out _)) { }
        return key;
    }

    /// <summary>A print by its key, or null.</summary>
    public (string Name, byte[] Zip)? Find(string key)
    {
        foreach (var made in _made)
            if (made.Key == key)
                return (made.Name, made.Zip);
        return null;
    }
}
