using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Practice;

/// <summary>Note groups across the beat and the bar line: from the note after a beat to the next beat.</summary>
/// <remarks>Notes lead to the next beat, they do not start from it: the slurs show the groups. Common practice, no published
/// source.</remarks>
public sealed class NoteGroups : IRecipe
{
    private const int Run = 6;

    /// <inheritdoc/>
    public string Name => "note-groups";

    /// <inheritdoc/>
    public string Title => "Note groups across the bar";

    /// <inheritdoc/>
    public string Why => "Think from the note after the beat to the next beat: the line moves on and the hand does not stop at the bar.";

    /// <inheritdoc/>
    public Keeps Keeps => Keeps.Pitches | Keeps.Length;

    /// <inheritdoc/>
    public Suit? Suits(Passage passage)
    {
        var groups = Groups(Timed(passage)).ToList();
        if (groups.Count < 2)
            return null;
        var runs = passage.Count("scale", "arpeggio", "chromatic-run", "near-miss");
        var weight = groups.Sum(g => g.To - g.From) >= Run ? 0.35 : 0.2;
        return new Suit(Math.Min(0.75, weight + (0.08 * runs)), $"{groups.Count} groups that lead over a beat");
    }

    /// <inheritdoc/>
    public IReadOnlyList<PlainPart> Make(Passage passage)
    {
        var timed = Timed(passage);
        var notes = timed.ConvertAll(t => MarksOut.Unslurred(t.Note));
        foreach (var (from, to) in Groups(timed))
        {
            notes[from] = notes[from] with { SlurStarts = 1 };
            notes[to] = notes[to] with { SlurEnds = 1 };
        }

        var line = Voices.Line(passage.Music);
        var at = 0;
        return
        [
            line with
            {
                Measures =
                [
                    .. line.Measures.Select(m =>
                    {
                        var count = m.Voices[0].Notes.Count;
                        at += count;
                        return m with { Voices = [m.Voices[0] with { Notes = notes.GetRange(at - count, count) }] };
                    }),
                ],
            },
        ];
    }

    // The line with the place of each note in its beat; 0 is on the beat.
    private static List<(PlainNote Note, bool IsOnBeat)> Timed(Passage passage) =>
        [
            .. Voices
                .Line(passage.Music)
                .Measures.SelectMany(m =>
                {
                    var missing = m.IsImplicit ? m.Meter.Length - m.Length : Fraction.Zero;
                    var unit = m.Meter.IsSenza ? 1 : m.Meter.BeatUnit;
                    return Voices.Timed(m.Voices[0].Notes).Select(t => (t.Note, ((t.At + missing) / unit).Denominator == 1));
                }),
        ];

    private static IEnumerable<(int From, int To)> Groups(List<(PlainNote Note, bool IsOnBeat)> timed)
    {
        var from = -1;
        for (var i = 0; i < timed.Count; i++)
        {
            var (note, isOnBeat) = timed[i];
            if (!note.Sounds)
                from = -1;
            else if (isOnBeat && !note.IsGrace)
            {
                if (from >= 0)
                    yield return (from, i);
                from = -1;
            }
            else if (from < 0 && i > 0 && timed[i - 1].Note.Sounds)
                from = i;
        }
    }
}
