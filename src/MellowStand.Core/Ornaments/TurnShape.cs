using MellowStand.Core.Notation;

namespace MellowStand.Core.Ornaments;

/// <summary>How a turn is realised: the one answer for what is told, practiced and played.</summary>
/// <param name="Main">The written note.</param>
/// <param name="First">The neighbour that comes first: the upper one, of an inverted turn the lower.</param>
/// <param name="Second">The other neighbour.</param>
/// <param name="Plain">Quarters of the plain note before the turn; none where the turn takes the whole note.</param>
/// <param name="Around">Quarters of the three quick notes, or of all four where the turn takes the whole note.</param>
/// <param name="Length">Quarters of the note.</param>
/// <remarks>On a dotted note a third plain, a third of a triplet (first, main, second), a third plain; on a plain one the triplet takes the
/// third quarter of it; on one of half a beat or less the four notes share it. Common practice, no published source.</remarks>
public sealed record TurnShape(Pitch Main, Pitch First, Pitch Second, Fraction Plain, Fraction Around, Fraction Length)
{
    private static readonly Fraction Half = new(1, 2);

    /// <summary>The turn of a note, or null where none is printed over a pitch.</summary>
    /// <param name="score">The score, for its beat.</param>
    /// <param name="part">The part.</param>
    /// <param name="note">The note.</param>
    /// <param name="marks">The marks of the note and of all that is tied to it; null for its own.</param>
    public static TurnShape? Of(Score score, Part part, Note note, IReadOnlyList<Mark>? marks = null)
    {
        var signs = marks ?? note.Marks;
        if (note.Top is not { } main || !signs.Any(m => OrnamentMarks.Turns.Contains(m.Name)))
            return null;
        var first = signs.Any(m => OrnamentMarks.IsInverted(m.Name)) ? -1 : 1;
        var length = note.SoundingDuration;
        var isShort = length <= score.Measures[note.MeasureIndex].Meter.BeatUnit * Half;
        var isDotted = note.Dots > 0;
        return new TurnShape(
            main,
            Neighbours.Of(part, note, first),
            Neighbours.Of(part, note, -first),
            isShort ? 0 : length * (isDotted ? new Fraction(1, 3) : Half),
            isShort ? length : length * (isDotted ? new Fraction(1, 3) : new Fraction(1, 4)),
            length
        );
    }

    /// <summary>Its notes with their lengths in quarters, in order.</summary>
    public IReadOnlyList<(Pitch Pitch, Fraction Length)> Notes()
    {
        if (Plain == Fraction.Zero)
            return [(First, Around / 4), (Main, Around / 4), (Second, Around / 4), (Main, Around / 4)];
        var each = Around / 3;
        return [(Main, Plain), (First, each), (Main, each), (Second, each), (Main, Length - Plain - Around)];
    }
}
