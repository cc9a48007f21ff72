namespace MellowStand.Core.Notation;

/// <summary>One printed measure as all parts share it.</summary>
/// <param name="Index">Its place from 0.</param>
/// <param name="Label">Its printed number, unique in the piece.</param>
/// <param name="Start">Quarters from the start of the printed score.</param>
/// <param name="Length">Quarters of the longest part's content.</param>
/// <param name="Meter">The meter in force in the first part.</param>
/// <param name="IsPickup">True when the measure is shorter than its meter and is not counted by its number.</param>
/// <param name="Rehearsal">The rehearsal mark at its start, or null.</param>
public sealed record MeasureFrame(int Index, string Label, Fraction Start, Fraction Length, Meter Meter, bool IsPickup, string? Rehearsal)
{
    /// <summary>The sign between it and the measure before it that parts the music.</summary>
    public BarSign Opens { get; init; }

    /// <summary>The ending of a repeat that it belongs to.</summary>
    public RepeatEnding Ending { get; init; }

    /// <summary>Quarters from the start of the score to its end.</summary>
    public Fraction End => Start + Length;

    /// <summary>Quarters from where the whole measure would begin: in a pickup the missing beats are counted.</summary>
    /// <param name="offset">Quarters from the start of the measure as printed.</param>
    public Fraction InFullMeasure(Fraction offset) => IsPickup ? offset + Meter.Length - Length : offset;

    /// <summary>Beats from the bar line (0 is the downbeat), in the beat unit of the meter; a pickup counts from where its measure would
    /// begin.</summary>
    /// <param name="offset">Quarters from the start of the measure as printed.</param>
    public Fraction BeatsAt(Fraction offset) => InFullMeasure(offset) / Meter.BeatUnit;
}

/// <summary>A bar line that parts the music.</summary>
public enum BarSign
{
    /// <summary>A plain bar line.</summary>
    None,

    /// <summary>A double bar.</summary>
    Double,

    /// <summary>A repeat ends before it, or begins with it.</summary>
    Repeat,
}

/// <summary>Which ending of a repeat a measure belongs to.</summary>
public enum RepeatEnding
{
    /// <summary>None.</summary>
    None,

    /// <summary>One that leads back: whoever plays once through leaves it out.</summary>
    LeadsBack,

    /// <summary>The one that goes on.</summary>
    GoesOn,
}

/// <summary>One measure of one part.</summary>
/// <param name="Index">Its place from 0.</param>
/// <param name="Key">The signature in force at its start.</param>
/// <param name="Meter">The meter in force.</param>
/// <param name="Notes">Its notes and rests by onset, then as printed.</param>
public sealed record PartMeasure(int Index, KeySignature Key, Meter Meter, IReadOnlyList<Note> Notes);

/// <summary>A part: what one player or desk reads.</summary>
public sealed class Part
{
    /// <summary>The id of the file, or P1, P2, … where the file gives none.</summary>
    public required string Id { get; init; }

    /// <summary>The printed name; may be empty.</summary>
    public required string Name { get; init; }

    /// <summary>The printed abbreviation; may be empty.</summary>
    public string Abbreviation { get; init; } = "";

    /// <summary>MusicXML instrument sound (<c>wind.reed.clarinet</c>) or null.</summary>
    public string? Sound { get; init; }

    /// <summary>General MIDI program from 1, or null.</summary>
    public int? MidiProgram { get; init; }

    /// <summary>The first transposition.</summary>
    public required Transposition Transposition { get; init; }

    /// <summary>The first clef, e.g. <c>G2</c>, <c>F4</c>, <c>percussion</c>; null when none is printed.</summary>
    public string? Clef { get; init; }

    /// <summary>How many staves it is printed on.</summary>
    public int Staves { get; init; } = 1;

    /// <summary>Its measures, one for each measure of the score.</summary>
    public required IReadOnlyList<PartMeasure> Measures { get; init; }

    /// <summary>All its notes and rests by onset.</summary>
    public required IReadOnlyList<Note> Notes { get; init; }

    /// <summary>All its directions by onset.</summary>
    public required IReadOnlyList<Direction> Directions { get; init; }

    /// <summary>All its slurs by onset.</summary>
    public required IReadOnlyList<Slur> Slurs { get; init; }

    /// <summary>All its hairpins by onset.</summary>
    public required IReadOnlyList<Hairpin> Hairpins { get; init; }

    /// <summary>Place in <see cref="Notes"/> of the first note or rest at or after a moment; their count when there is none.</summary>
    /// <param name="onset">Quarters from the start of the score.</param>
    public int PlaceFrom(Fraction onset) => Notes.PlaceFrom(n => n.Onset, onset);

    /// <summary>The first sounding note at or after a moment, or null.</summary>
    /// <param name="onset">Quarters from the start of the score.</param>
    public Note? FirstSoundingFrom(Fraction onset)
    {
        for (var i = PlaceFrom(onset); i < Notes.Count; i++)
            if (Notes[i].Sounds)
                return Notes[i];
        return null;
    }
}

/// <summary>A score as printed, with the order in which it is played.</summary>
public sealed class Score
{
    /// <summary>The title; empty when the file gives none.</summary>
    public required string Title { get; init; }

    /// <summary>The composer, or null.</summary>
    public string? Composer { get; init; }

    /// <summary>The printed measures.</summary>
    public required IReadOnlyList<MeasureFrame> Measures { get; init; }

    /// <summary>The parts in score order.</summary>
    public required IReadOnlyList<Part> Parts { get; init; }

    /// <summary>Places (from 0) of the printed measures in the order in which they are played.</summary>
    public required IReadOnlyList<int> PlayedOrder { get; init; }

    /// <summary>What was odd in the file and what was assumed, for the director.</summary>
    public required IReadOnlyList<string> Warnings { get; init; }

    /// <summary>The same score with some parts, or the played order, as decisions have made them.</summary>
    /// <param name="parts">Part id to the part in its place.</param>
    /// <param name="order">The played order, or null where it stays.</param>
    public Score With(IReadOnlyDictionary<string, Part> parts, IReadOnlyList<int>? order = null) =>
        new()
        {
            Title = Title,
            Composer = Composer,
            Measures = Measures,
            Parts = [.. Parts.Select(p => parts.GetValueOrDefault(p.Id, p))],
            PlayedOrder = order ?? PlayedOrder,
            Warnings = Warnings,
        };

    /// <summary>The part with the id, or null.</summary>
    public Part? FindPart(string id) => Parts.FirstOrDefault(p => p.Id == id);

    /// <summary>Place of the measure with the label, or null.</summary>
    public int? FindMeasure(string label) => Measures.FirstOrDefault(m => m.Label == label)?.Index;
}
