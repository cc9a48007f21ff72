using MellowStand.Core.Notation;

namespace MellowStand.Core.Performance;

/// <summary>Keys of General MIDI's drum channel for notes without pitch.</summary>
/// <remarks>Source: General MIDI 1 (RP-003), percussion key map; from memory. A part of one drum is known by its printed name; a part of
/// many sounds as one.</remarks>
public static class PercussionKeys
{
    /// <summary>The acoustic snare, where nothing tells more.</summary>
    public const int Snare = 38;

    private static readonly (string Word, int Key)[] Names =
    [
        ("bass drum", 36),
        ("snare", Snare),
        ("side drum", Snare),
        ("tenor drum", 41),
        ("crash", 49),
        ("suspended", 51),
        ("cymbal", 49),
        ("triangle", 81),
        ("tambourine", 54),
        ("wood block", 76),
        ("woodblock", 76),
        ("claves", 75),
        ("cowbell", 56),
        ("tam-tam", 52),
        ("gong", 52),
        ("maracas", 70),
        ("castanets", 75),
        ("clap", 39),
        ("rim", 37),
    ];

    /// <summary>The key of the notes without pitch of a part.</summary>
    public static int Of(Part part)
    {
        foreach (var (word, key) in Names)
            if (part.Name.Contains(word, StringComparison.OrdinalIgnoreCase))
                return key;
        return Snare;
    }
}
