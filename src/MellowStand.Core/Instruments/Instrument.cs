using MellowStand.Core.Notation;

namespace MellowStand.Core.Instruments;

/// <summary>Families of instruments, in score order.</summary>
public enum Family
{
    /// <summary>Flutes, reeds.</summary>
    Woodwind,

    /// <summary>Lip-vibrated instruments.</summary>
    Brass,

    /// <summary>Bowed strings.</summary>
    Strings,

    /// <summary>Mallets, timpani, drums.</summary>
    Percussion,

    /// <summary>Piano, organ, harp, guitar.</summary>
    Keyboard,

    /// <summary>Singers.</summary>
    Voice,

    /// <summary>Not recognised.</summary>
    Unknown,
}

/// <summary>What sustains the tone and sets the length of a phrase.</summary>
public enum Sustain
{
    /// <summary>Breath.</summary>
    Breath,

    /// <summary>Bow.</summary>
    Bow,

    /// <summary>A stroke; nothing sustains it but a roll or pedal.</summary>
    Stroke,
}

/// <summary>An instrument of the catalog.</summary>
/// <param name="Id">A stable key, e.g. <c>clarinet-bb</c>.</param>
/// <param name="Name">English name.</param>
/// <param name="Family">Its family.</param>
/// <param name="Transposition">Written to sounding.</param>
/// <param name="Clef">Usual clef.</param>
/// <param name="Program">General MIDI program from 1.</param>
/// <param name="Sustain">Breath, bow or stroke.</param>
/// <param name="Low">Lowest comfortable written pitch of a school player.</param>
/// <param name="High">Highest comfortable written pitch of a school player.</param>
/// <param name="Names">Other names and abbreviations, in English, German, Italian and French; lower case.</param>
public sealed record Instrument(
    string Id,
    string Name,
    Family Family,
    Transposition Transposition,
    string Clef,
    int Program,
    Sustain Sustain,
    Pitch Low,
    Pitch High,
    IReadOnlyList<string> Names
);
