namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Where the parts of a note stand, and how its signs are called.</summary>
/// <remarks>Source: MusicXML 4.0, types "note" and "pitch", element "accidental".</remarks>
internal static class NoteOrder
{
    /// <summary>What comes after <c>accidental</c> in a note.</summary>
    public static IReadOnlyCollection<string> AfterAccidental { get; } =
    ["time-modification", "stem", "notehead", "notehead-text", "staff", "beam", "notations", "lyric", "play", "listen"];

    /// <summary>What comes after <c>step</c> in a pitch.</summary>
    public static IReadOnlyCollection<string> AfterStep { get; } = ["alter", "octave"];

    /// <summary>What comes after <c>alter</c> in a pitch.</summary>
    public static IReadOnlyCollection<string> AfterAlter { get; } = ["octave"];

    /// <summary>Alteration in semitones to the name of its sign.</summary>
    public static IReadOnlyDictionary<decimal, string> Signs { get; } =
        new Dictionary<decimal, string>
        {
            [0] = "natural",
            [1] = "sharp",
            [-1] = "flat",
            [2] = "double-sharp",
            [-2] = "flat-flat",
        };
}
