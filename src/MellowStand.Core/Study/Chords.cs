namespace MellowStand.Core.Study;

/// <summary>A chord quality as semitones above its root.</summary>
/// <param name="Name">As a player says it, e.g. <c>dominant 7th</c>.</param>
/// <param name="Sign">Short sign after the root, e.g. <c>7</c>.</param>
/// <param name="Tones">Semitones above the root, the root first.</param>
public sealed record ChordQuality(string Name, string Sign, IReadOnlyList<int> Tones)
{
    /// <summary>Bits of the pitch classes on a root.</summary>
    public int SetOn(int root) => Tones.Aggregate(0, (set, t) => set | (1 << ((root + t) % 12)));
}

/// <summary>Chord qualities, the plain ones first.</summary>
/// <remarks>Agrees with tests/reference/facts/chords.json (music21 10.5.1).</remarks>
public static class Chords
{
    /// <summary>All qualities.</summary>
    public static IReadOnlyList<ChordQuality> All { get; } =
    [
        new("major", "", [0, 4, 7]),
        new("minor", "m", [0, 3, 7]),
        new("dominant 7th", "7", [0, 4, 7, 10]),
        new("diminished 7th", "°7", [0, 3, 6, 9]),
        new("diminished", "°", [0, 3, 6]),
        new("augmented", "+", [0, 4, 8]),
        new("minor 7th", "m7", [0, 3, 7, 10]),
        new("major 7th", "maj7", [0, 4, 7, 11]),
        new("half-diminished 7th", "ø7", [0, 3, 6, 10]),
    ];

    /// <summary>The chord whose tones are exactly these pitch classes, or null; of several roots (a diminished 7th) the one
    /// given.</summary>
    /// <param name="pitchClasses">Pitch classes 0 to 11; at least three different ones.</param>
    /// <param name="likelyRoot">The pitch class to prefer as root, usually the lowest.</param>
    public static (ChordQuality Quality, int Root)? Find(IEnumerable<int> pitchClasses, int likelyRoot)
    {
        var set = pitchClasses.Aggregate(0, (s, pc) => s | (1 << (((pc % 12) + 12) % 12)));
        foreach (var quality in All)
        {
            if (quality.SetOn(likelyRoot) == set)
                return (quality, likelyRoot);
        }

        foreach (var quality in All)
            for (var root = 0; root < 12; root++)
                if (quality.SetOn(root) == set)
                    return (quality, root);
        return null;
    }
}
