using MellowStand.Core.Notation;

namespace MellowStand.Core.Instruments;

/// <summary>Names that a choir shares with instruments: a part with syllables is sung, and an alto that reads a treble clef is no
/// viola.</summary>
/// <remarks>Common practice, no published source.</remarks>
internal static class SungNames
{
    private static readonly Dictionary<string, string> Voices = new()
    {
        ["viola"] = "alto",
        ["contrabass"] = "bass-voice",
        ["euphonium"] = "bass-voice",
    };

    private static readonly Dictionary<string, string> Choir = new()
    {
        ["alto"] = "viola",
        ["altos"] = "viola",
        ["bass"] = "contrabass",
        ["basses"] = "contrabass",
        ["baritone"] = "euphonium",
        ["baritones"] = "euphonium",
    };

    /// <summary>The voice that a part is where its name is a choir's too; else the instrument as recognised.</summary>
    /// <param name="found">The instrument as recognised.</param>
    /// <param name="name">The part's name, normalised.</param>
    /// <param name="part">The part.</param>
    public static Instrument Of(Instrument found, string name, Part part)
    {
        var isShared = Choir.GetValueOrDefault(name) == found.Id;
        var isSung = part.Notes.Any(n => n.Lyrics.Count > 0) || (found.Id == "viola" && part.Clef is "G2");
        return isShared && isSung ? Catalog.Find(Voices[found.Id])! : found;
    }
}
