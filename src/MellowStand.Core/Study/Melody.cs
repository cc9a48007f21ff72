using MellowStand.Core.Notation;

namespace MellowStand.Core.Study;

/// <summary>The line that a player follows: of each moment the top note that is struck, without graces, cues and tie
/// continuations.</summary>
public sealed class Melody
{
    /// <summary>Reads the line of a part.</summary>
    public Melody(Part part)
    {
        Notes =
        [
            .. part
                .Notes.Where(n => n.Kind == NoteKind.Pitched && !n.IsGrace && !n.IsCue && !n.IsTieContinuation && n.Top is not null)
                .GroupBy(n => n.Onset)
                .Select(g => g.MaxBy(n => n.TopSounding)!),
        ];
        Struck =
        [
            .. part
                .Notes.Where(n => n.Sounds && !n.IsGrace && !n.IsCue && !n.IsTieContinuation)
                .GroupBy(n => n.Onset)
                .Select(g => g.First()),
        ];
        Fermatas = new HashSet<Fraction>([
            .. part.Directions.Where(d => d.Kind == DirectionKind.BarlineFermata).Select(d => d.Onset),
            .. part.Notes.Where(n => n.Has("fermata")).Select(n => n.End),
        ]);
        ByMeasure = Struck.ToLookup(n => n.MeasureIndex);
    }

    /// <summary>Pitched notes by onset.</summary>
    public IReadOnlyList<Note> Notes { get; }

    /// <summary>Pitched and unpitched notes by onset.</summary>
    public IReadOnlyList<Note> Struck { get; }

    /// <summary>Moments at which a fermata ends: of a note, a rest or a bar line, in quarters from the start of the score.</summary>
    public IReadOnlySet<Fraction> Fermatas { get; }

    /// <summary>Struck notes by measure from 0.</summary>
    public ILookup<int, Note> ByMeasure { get; }

    /// <summary>Stretches of neighbouring notes with no rest between them.</summary>
    public IEnumerable<IReadOnlyList<Note>> Phrases()
    {
        var start = 0;
        for (var i = 1; i <= Notes.Count; i++)
        {
            if (i < Notes.Count && Notes[i].Onset <= Notes[i - 1].Onset + Notes[i - 1].SoundingDuration)
                continue;
            if (i > start)
                yield return Notes.Skip(start).Take(i - start).ToArray();
            start = i;
        }
    }
}
