namespace MellowStand.Core.Notation;

/// <summary>How far the sounding pitch lies from the written one.</summary>
/// <param name="Diatonic">Letters, without the octave change.</param>
/// <param name="Chromatic">Semitones, without the octave change.</param>
/// <param name="Octaves">Whole octaves on top.</param>
/// <remarks>Source: MusicXML 4.0, element "transpose". A B♭ clarinet is (-1, -2, 0), a piccolo (0, 0, 1).</remarks>
public readonly record struct Transposition(int Diatonic, int Chromatic, int Octaves)
{
    /// <summary>Written as it sounds.</summary>
    public static Transposition None => default;

    /// <summary>Sounding minus written, in semitones.</summary>
    public int Semitones => Chromatic + (12 * Octaves);

    /// <summary>From written to sounding.</summary>
    public Pitch Sound(Pitch written) => written.Transpose(Diatonic + (7 * Octaves), Semitones);

    /// <summary>From sounding to written.</summary>
    public Pitch Write(Pitch sounding) => sounding.Transpose(-Diatonic - (7 * Octaves), -Semitones);
}
