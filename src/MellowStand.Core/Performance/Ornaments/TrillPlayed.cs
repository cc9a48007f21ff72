using MellowStand.Core.Notation;
using MellowStand.Core.Ornaments;

namespace MellowStand.Core.Performance;

/// <summary>A trill as it is realised everywhere: <see cref="TrillShape"/>, as quick as a good player makes it.</summary>
/// <remarks>Ten notes a second is a good player's trill (from memory). Common practice, no published source.</remarks>
internal sealed class TrillPlayed : IOrnament
{
    public bool Is(Ornamented note) => note.Trill is not null;

    public IReadOnlyList<Stroke> Play(Ornamented note)
    {
        var (shape, sound) = (note.Trill!, note.Sound);
        // Graces before the next note have taken from its end, a repeat may have cut it.
        var stop = shape.Alternating < sound.Length ? sound.From + shape.Alternating : sound.To;
        var notes = shape.Notes(note.Fits(stop - sound.From, 1 / OrnamentMarks.TrillNotesPerSecond));
        var upper = note.Main + (shape.Upper.Midi - shape.Main.Midi);
        var strokes = Ornamented.Even(
            sound.From,
            stop,
            [.. Enumerable.Range(0, notes).Select(i => shape.IsUpper(i) ? upper : note.Main)]
        );
        // The last one is the main note: it is held to the end.
        strokes[^1] = strokes[^1] with
        {
            To = sound.To,
        };
        return strokes;
    }
}
