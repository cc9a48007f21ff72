using MellowStand.Core.Notation;

namespace MellowStand.Core.Instruments;

/// <summary>Which voice a part is that is only called a voice: its clef says it.</summary>
/// <remarks>Clefs as MusicXML 4.0 writes them (sign, line, octave change); the old C clefs of the voices are from memory, any textbook of
/// notation.</remarks>
public static class VoiceClefs
{
    private static readonly Dictionary<string, string> Voices = new()
    {
        ["C1"] = "soprano",
        ["C3"] = "alto",
        ["C4"] = "tenor",
        ["G2-8"] = "tenor",
        ["F4"] = "bass-voice",
        ["F3"] = "bass-voice",
    };

    /// <summary>The voice of the clef for a part of no particular voice; any other instrument is itself.</summary>
    /// <param name="instrument">The instrument as recognised.</param>
    /// <param name="clef">The part's first clef, or null.</param>
    public static Instrument Of(Instrument instrument, string? clef)
    {
        if (clef is null)
            return instrument;
        var voice = instrument.Id == "voice" && Voices.TryGetValue(clef, out var id) ? Catalog.Find(id)! : instrument;
        // The tenor's range is told as printed in a plain treble clef, an octave above where it sounds.
        return voice.Id == "tenor" && clef != "G2" ? voice with { Ranges = Lower(voice.Ranges) } : voice;
    }

    private static InstrumentRanges Lower(InstrumentRanges r) => new(Lower(r.Comfortable), Lower(r.Advanced), Lower(r.Extreme));

    private static WrittenRange Lower(WrittenRange r) => new(Lower(r.Low), Lower(r.High));

    private static Pitch Lower(Pitch p) => p with { Octave = p.Octave - 1 };
}
