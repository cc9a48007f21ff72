using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Practice;

/// <summary>Leaps of an octave or more made an octave smaller.</summary>
/// <remarks>A big leap an octave smaller first: the ear finds the note, then the distance. What is moved: <see cref="LeapShifts"/>. Common
/// practice, no published source.</remarks>
public sealed class OctaveSmaller : IRecipe
{
    private const int Octave = 12;

    /// <inheritdoc/>
    public string Name => "octave-smaller";

    /// <inheritdoc/>
    public string Title => "Leaps an octave smaller";

    /// <inheritdoc/>
    public string Why => "The same notes without the distance: hear where the leap goes, then put the octave back.";

    /// <inheritdoc/>
    public Keeps Keeps => Keeps.Length;

    /// <inheritdoc/>
    public Suit? Suits(Passage passage)
    {
        var line = passage.Line.Where(n => n.Top is not null).ToList();
        var leaps = line.Zip(line.Skip(1)).Count(p => Math.Abs(p.Second.Top!.Value.Midi - p.First.Top!.Value.Midi) >= Octave);
        if (leaps == 0 || passage.Instrument is { Family: Instruments.Family.Keyboard })
            return null;
        return new Suit(Math.Min(0.85, 0.45 + (0.08 * leaps)), Amounts.Of((leaps, "leap")) + " of an octave or more");
    }

    /// <inheritdoc/>
    public IReadOnlyList<PlainPart> Make(Passage passage)
    {
        var line = Voices.Line(passage.Music);
        var notes = line.Measures.SelectMany(m => m.Voices[0].Notes).ToList();
        var place = new Queue<int>(LeapShifts.Of([.. notes.Select(Leaping)]));
        return [Voices.ChangeNotes(line, n => Moved(n, place.Dequeue()))];
    }

    // A note that is tied over stays with the one it is tied to.
    private static LeapNote Leaping(PlainNote note) =>
        new(note.Heads.Select(h => h.Written).Max(p => p?.Midi), note.IsGrace || Voices.IsStruck(note));

    private static PlainNote Moved(PlainNote note, int shift) =>
        shift == 0 ? note : note with { Heads = [.. note.Heads.Select(h => h with { Written = Moved(h.Written, shift) })] };

    private static Pitch? Moved(Pitch? pitch, int shift) => pitch is { } p ? new Pitch(p.Step, p.Alter, p.Octave + (shift / Octave)) : null;
}
