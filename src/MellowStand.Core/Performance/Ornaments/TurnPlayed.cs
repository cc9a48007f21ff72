using MellowStand.Core.Notation;

namespace MellowStand.Core.Performance;

/// <summary>A turn around its note.</summary>
/// <remarks>On a note of one and a half beats: half a beat plain, half a beat of a triplet (upper, main, lower), half a beat plain; other
/// dotted notes in thirds alike. On a plain note the triplet takes the third quarter of it; on one of half a beat or less the four notes
/// share
/// it. A sign under the turn alters its lower note. Common practice, no published source.</remarks>
internal sealed class TurnPlayed : IOrnament
{
    private static readonly Fraction Half = new(1, 2);

    public bool Is(Ornamented note) => note.Sound.Note.Top is not null && OrnamentMarks.Turns.Any(note.Sound.Has);

    public IReadOnlyList<Stroke> Play(Ornamented note)
    {
        var isInverted = note.Sound.Marks.Any(m => OrnamentMarks.IsInverted(m.Name));
        var first = isInverted ? -1 : 1;
        int[] around = [note.Neighbour(first), note.Main, note.Neighbour(-first)];
        var (from, to, length) = (note.Sound.From, note.Sound.To, note.Sound.Length);
        if (length <= note.BeatUnit * Half)
            return Ornamented.Even(from, to, [.. around, note.Main]);
        var isDotted = note.Sound.Note.Dots > 0;
        var begin = from + (length * (isDotted ? new Fraction(1, 3) : Half));
        var end = from + (length * (isDotted ? new Fraction(2, 3) : new Fraction(3, 4)));
        return [new Stroke(from, begin, note.Main), .. Ornamented.Even(begin, end, around), new Stroke(end, to, note.Main)];
    }
}
