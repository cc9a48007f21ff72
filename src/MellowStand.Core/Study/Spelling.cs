using MellowStand.Core.Notation;

namespace MellowStand.Core.Study;

/// <summary>Names of pitch classes as a part would spell them.</summary>
internal static class Spelling
{
    private static readonly string[] Flats = ["C", "D♭", "D", "E♭", "E", "F", "G♭", "G", "A♭", "A", "B♭", "B"];
    private static readonly string[] Sharps = ["C", "C♯", "D", "D♯", "E", "F", "F♯", "G", "G♯", "A", "A♯", "B"];

    /// <summary>With flats in flat signatures, with sharps in sharp ones.</summary>
    public static string Of(int pitchClass, KeySignature key) =>
        (
            key.Fifths switch
            {
                < 0 => Flats,
                > 0 => Sharps,
                _ => Plain,
            }
        )[((pitchClass % 12) + 12) % 12];

    private static readonly string[] Plain = ["C", "C♯", "D", "E♭", "E", "F", "F♯", "G", "A♭", "A", "B♭", "B"];

    /// <summary>The other name of a spelled note, e.g. B♭ for A♯.</summary>
    public static string Enharmonic(Pitch p)
    {
        var names = p.Alter > 0 ? Flats : Sharps;
        return names[p.PitchClass];
    }
}
