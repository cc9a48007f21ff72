using MellowStand.Core.Notation;
using MellowStand.Core.Ornaments;

namespace MellowStand.Core.Performance;

/// <summary>A turn as it is realised everywhere: <see cref="TurnShape"/>, drawn out or cut to what is left of its note.</summary>
/// <remarks>A sign under the turn alters its lower note. Common practice, no published source.</remarks>
internal sealed class TurnPlayed : IOrnament
{
    public bool Is(Ornamented note) => note.Turn is not null;

    public IReadOnlyList<Stroke> Play(Ornamented note)
    {
        var (shape, sound) = (note.Turn!, note.Sound);
        var share = shape.Length > Fraction.Zero ? sound.Length / shape.Length : 1;
        var strokes = new List<Stroke>();
        var at = sound.From;
        foreach (var (pitch, length) in shape.Notes())
        {
            var end = at + (length * share);
            strokes.Add(new Stroke(at, end, note.Main + (pitch.Midi - shape.Main.Midi)));
            at = end;
        }

        return strokes;
    }
}
