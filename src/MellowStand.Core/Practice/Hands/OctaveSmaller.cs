using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Practice;

/// <summary>Leaps of an octave or more made an octave smaller.</summary>
/// <remarks>A big leap an octave smaller first: the ear finds the note, then the distance. What follows a leap goes with it until the line
/// leaps
/// back. Common practice, no published source.</remarks>
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
        var moves = new Moves();
        return [Voices.ChangeNotes(Voices.Line(passage.Music), moves.Of)];
    }

    private static Pitch? Moved(Pitch? pitch, int shift) => pitch is { } p ? new Pitch(p.Step, p.Alter, p.Octave + (shift / Octave)) : null;

    // Goes along the line and remembers how far it has been moved.
    private sealed class Moves
    {
        private int? _printed;
        private int _sounded;
        private int _shift;

        public PlainNote Of(PlainNote note)
        {
            if (note.Heads.Select(h => h.Written).Max(p => p?.Midi) is not { } top)
                return note;
            // A note that is tied over stays where it is.
            if (_printed is { } before && (note.IsGrace || Voices.IsStruck(note)) && Math.Abs(top - before) >= Octave)
                _shift = Nearest(top);
            (_printed, _sounded) = (top, top + _shift);
            return _shift == 0 ? note : note with { Heads = [.. note.Heads.Select(h => h with { Written = Moved(h.Written, _shift) })] };
        }

        // Back in its place where that is no leap any more; else by whole octaves toward the note before.
        private int Nearest(int top)
        {
            if (Math.Abs(top - _sounded) < Octave)
                return 0;
            var interval = top + _shift - _sounded;
            return _shift - (Math.Sign(interval) * (Math.Abs(interval) / Octave * Octave));
        }
    }
}
