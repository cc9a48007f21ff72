using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Music that this program makes itself: practice variants, scales. Written with accidentals, beams and ties worked out.</summary>
/// <param name="Title">The title.</param>
/// <param name="Parts">The parts, all with the same measures.</param>
public sealed record PlainScore(string Title, IReadOnlyList<PlainPart> Parts)
{
    /// <summary>The tempo at the start, or null for none.</summary>
    public MetronomeMark? Tempo { get; init; }
}

/// <summary>A part to be written.</summary>
/// <param name="Name">Its printed name.</param>
/// <param name="Clefs">The clef of each staff, e.g. <c>G2</c>.</param>
/// <param name="Transposition">Written to sounding.</param>
/// <param name="Measures">Its measures.</param>
public sealed record PlainPart(string Name, IReadOnlyList<string> Clefs, Transposition Transposition, IReadOnlyList<PlainMeasure> Measures)
{
    /// <summary>MusicXML instrument sound, or null.</summary>
    public string? Sound { get; init; }

    /// <summary>General MIDI program from 1, or null.</summary>
    public int? Program { get; init; }
}

/// <summary>A measure to be written.</summary>
/// <param name="Meter">The meter in force.</param>
/// <param name="Key">The signature in force.</param>
/// <param name="Voices">Its voices, each of the whole length of the measure.</param>
public sealed record PlainMeasure(Meter Meter, KeySignature Key, IReadOnlyList<PlainVoice> Voices)
{
    /// <summary>The printed number; numbered on where null.</summary>
    public string? Label { get; init; }

    /// <summary>True for a pickup or the rest of a cut measure.</summary>
    public bool IsImplicit { get; init; }

    /// <summary>A repeat begins at its first bar line.</summary>
    public bool BeginsRepeat { get; init; }

    /// <summary>A repeat ends at its last bar line.</summary>
    public bool EndsRepeat { get; init; }

    /// <summary>A section ends at its last bar line, which is double.</summary>
    public bool EndsSection { get; init; }

    /// <summary>Signs at moments of the measure.</summary>
    public IReadOnlyList<PlainSign> Signs { get; init; } = [];

    /// <summary>Length in quarters.</summary>
    public Fraction Length => Voices.Count == 0 ? Meter.Length : Voices.Max(v => v.Length);
}

/// <summary>One voice of a measure.</summary>
/// <param name="Staff">Its staff, from 1.</param>
/// <param name="Notes">Its notes and rests without a gap.</param>
public sealed record PlainVoice(int Staff, IReadOnlyList<PlainNote> Notes)
{
    /// <summary>Length in quarters.</summary>
    public Fraction Length => Notes.Aggregate(Fraction.Zero, (sum, n) => sum + n.Length);
}

/// <summary>What a sign is.</summary>
public enum PlainSignKind
{
    /// <summary>A dynamic level or accent sign.</summary>
    Dynamic,

    /// <summary>Words.</summary>
    Words,

    /// <summary>Words that head what follows, above the staff.</summary>
    Heading,

    /// <summary>A crescendo begins.</summary>
    Crescendo,

    /// <summary>A diminuendo begins.</summary>
    Diminuendo,

    /// <summary>A hairpin ends.</summary>
    HairpinEnd,
}

/// <summary>A sign above or below the staff.</summary>
/// <param name="Offset">Quarters from the start of the measure.</param>
/// <param name="Kind">What it is.</param>
/// <param name="Text">Level or words; empty for hairpins.</param>
public sealed record PlainSign(Fraction Offset, PlainSignKind Kind, string Text = "");

/// <summary>A notehead to be written.</summary>
/// <param name="Written">Its pitch, or null for a sound without pitch.</param>
/// <param name="TiesOn">True when it is tied to the next.</param>
public sealed record PlainHead(Pitch? Written, bool TiesOn = false);

/// <summary>How a length is printed.</summary>
/// <param name="Type">MusicXML note type.</param>
/// <param name="Dots">Augmentation dots.</param>
/// <param name="Actual">So many notes …</param>
/// <param name="Normal">… in the time of so many.</param>
public sealed record PlainValue(string Type, int Dots = 0, int Actual = 1, int Normal = 1);

/// <summary>A note, chord or rest to be written.</summary>
/// <param name="Heads">Its heads; none for a rest.</param>
/// <param name="Length">Length in quarters; zero for a grace.</param>
public sealed record PlainNote(IReadOnlyList<PlainHead> Heads, Fraction Length)
{
    /// <summary>How it is printed; worked out where null.</summary>
    public PlainValue? Value { get; init; }

    /// <summary>True for a grace note.</summary>
    public bool IsGrace { get; init; }

    /// <summary>True for a grace with a slash.</summary>
    public bool HasSlash { get; init; }

    /// <summary>Articulations, ornaments, technical signs, fermatas.</summary>
    public IReadOnlyList<Mark> Marks { get; init; } = [];

    /// <summary>Slurs that begin here.</summary>
    public int SlurStarts { get; init; }

    /// <summary>Slurs that end here.</summary>
    public int SlurEnds { get; init; }

    /// <summary>A syllable or counting word under it, or null.</summary>
    public string? Lyric { get; init; }

    /// <summary>The printed note that it was made from, or null.</summary>
    public Note? Source { get; init; }

    /// <summary>True for a note or a sound without pitch.</summary>
    public bool Sounds => Heads.Count > 0;

    /// <summary>True when a head is tied to the next note.</summary>
    public bool TiesOn => Heads.Any(h => h.TiesOn);

    /// <summary>A rest.</summary>
    public static PlainNote Rest(Fraction length) => new([], length);

    /// <summary>The same with no tie to the next note.</summary>
    public PlainNote Untied() => TiesOn ? this with { Heads = [.. Heads.Select(h => h with { TiesOn = false })] } : this;
}
