using MellowStand.Core.Notation;

namespace MellowStand.Core.Performance;

/// <summary>A trill: main and upper note in turn, ending on the main one.</summary>
/// <remarks>Where it starts and how it ends are house rules (<c>trill-start</c>, <c>trill-end</c>): it stops on the last beat before its
/// closing notes, or halfway in a note of a beat or less; without closing notes just before the next note; or it runs through. Ten notes a
/// second is a good player's trill (from memory). Common practice, no published source.</remarks>
internal sealed class TrillPlayed : IOrnament
{
    private static readonly Fraction Before = new(1, 4);

    public bool Is(Ornamented note) => note.Sound.Note.Top is not null && OrnamentMarks.Trills.Any(note.Sound.Has);

    public IReadOnlyList<Stroke> Play(Ornamented note)
    {
        var (from, to) = (note.Sound.From, note.Sound.To);
        var stop = note.House["trill-end"] == "run-through" ? to : Stop(note);
        var isUpper = note.House["trill-start"] == "upper";
        var notes = Count(note, stop - from, isUpper);
        var keys = Enumerable.Range(0, notes).Select(i => (i % 2 == 0) == isUpper ? note.Neighbour(1) : note.Main).ToList();
        var strokes = Ornamented.Even(from, stop, keys);
        // The last one is the main note: it is held to the end.
        strokes[^1] = strokes[^1] with
        {
            To = to,
        };
        return strokes;
    }

    // Ends on the main note: an odd number from the main note, an even one from the upper.
    private static int Count(Ornamented note, Fraction length, bool isUpper)
    {
        var fits = Math.Max(isUpper ? 2 : 3, note.Fits(length, 1 / OrnamentMarks.TrillNotesPerSecond));
        return fits % 2 == (isUpper ? 0 : 1) ? fits : fits - 1;
    }

    private static Fraction Stop(Ornamented note)
    {
        var length = note.Sound.Length;
        if (note.ClosingGraces == 0)
            return note.Sound.To - (length / 4 < Before ? length / 4 : Before);
        if (length <= note.BeatUnit)
            return note.Sound.From + (length / 2);
        var beats = length / note.BeatUnit;
        var whole = (beats.Numerator - 1) / beats.Denominator;
        return note.Sound.From + (note.BeatUnit * new Fraction(whole));
    }
}
