namespace MellowStand.Core.Notation;

/// <summary>The few words that are printed at every note, each with a small number, so that a score does not hold a reference for
/// each.</summary>
/// <remarks>Source: MusicXML 4.0, types "note-type-value" and "beam-value".</remarks>
internal static class NoteWords
{
    private static readonly string[] Words =
    [
        .. "1024th 512th 256th 128th 64th 32nd 16th eighth quarter half whole breve long maxima begin continue end".Split(' '),
        "forward hook",
        "backward hook",
    ];

    /// <summary>The number of a word from 1; 0 for none and for one that is not known.</summary>
    public static byte PlaceOf(string? word) => (byte)(Array.IndexOf(Words, word) + 1);

    /// <summary>The word of a number, or null for 0.</summary>
    public static string? Of(byte place) => place == 0 ? null : Words[place - 1];
}
