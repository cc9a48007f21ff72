using MellowStand.Core.Notation;

namespace MellowStand.Core.Decisions;

/// <summary>A place in the score as a person names it.</summary>
/// <param name="Measure">Measure from 0.</param>
/// <param name="Beat">Beat from 1 in the beat unit of the meter, or null for the whole measure.</param>
public readonly record struct BeatPlace(int Measure, Fraction? Beat);

/// <summary>What a free mark becomes.</summary>
/// <param name="Changes">One change for each part and each way in which its marks reach.</param>
/// <param name="Without">Ids of the parts that have no note there.</param>
public sealed record FreeMarkResult(IReadOnlyList<MarkChange> Changes, IReadOnlyList<string> Without);

/// <summary>Writes the same marks into several parts at once, at a beat or over a range.</summary>
/// <remarks>An articulation or an ornament goes to each note; a dynamic, words, a remark, a fingering and a bow sign to the first; a breath
/// and a fermata to the last; a slur or hairpin from the first to the last of one voice. Grace notes and cues are passed over. Common
/// practice, no published source.</remarks>
public static class FreeMarks
{
    private static readonly HashSet<string> AtTheFirst = ["dynamics", "words", "remark", "fingering", "string", "down-bow", "up-bow"];
    private static readonly HashSet<string> AtTheLast = ["breath-mark", "caesura", "fermata"];

    /// <summary>The changes that write marks into parts.</summary>
    /// <param name="score">The score as it stands.</param>
    /// <param name="parts">Ids of the parts.</param>
    /// <param name="from">Where the range begins.</param>
    /// <param name="to">Where it ends, or null for the one note at its beginning.</param>
    /// <param name="added">Marks to write.</param>
    /// <param name="removed">Marks to take away.</param>
    public static FreeMarkResult Of(
        Score score,
        IEnumerable<string> parts,
        BeatPlace from,
        BeatPlace? to,
        IReadOnlyList<Mark> added,
        IReadOnlyList<Mark> removed
    )
    {
        var changes = new List<MarkChange>();
        var without = new List<string>();
        foreach (var part in parts.Select(score.FindPart).OfType<Part>())
        {
            var all = InRange(score, part, from, to);
            var sounding = all.Where(n => n.Sounds).ToList();
            var before = changes.Count;
            foreach (
                var group in added
                    .Select(m => (Mark: m, IsAdded: true))
                    .Concat(removed.Select(m => (Mark: m, IsAdded: false)))
                    .GroupBy(ReachOf)
            )
            {
                // A remark may speak of a rest; a sign needs a note.
                var notes = group.All(g => g.Mark.Name == "remark") && sounding.Count == 0 ? all : sounding;
                var reached = Reached(notes, group.Key);
                if (reached.Count > 0)
                    changes.Add(
                        new MarkChange(
                            part.Id,
                            [.. reached.Select(n => n.Id)],
                            [.. group.Where(g => g.IsAdded).Select(g => g.Mark)],
                            [.. group.Where(g => !g.IsAdded).Select(g => g.Mark)]
                        )
                    );
            }

            if (changes.Count == before)
                without.Add(part.Id);
        }

        return new FreeMarkResult(changes, without);
    }

    private enum Reach
    {
        Each,
        First,
        Last,
        Span,
    }

    private static Reach ReachOf((Mark Mark, bool IsAdded) m)
    {
        if (MarkCatalog.IsSpan(m.Mark.Name))
            return Reach.Span;
        if (!m.IsAdded)
            return Reach.Each;
        if (AtTheLast.Contains(m.Mark.Name))
            return Reach.Last;
        return AtTheFirst.Contains(m.Mark.Name) ? Reach.First : Reach.Each;
    }

    private static List<Note> Reached(List<Note> notes, Reach reach)
    {
        if (notes.Count == 0)
            return [];
        return reach switch
        {
            Reach.First => [notes[0]],
            Reach.Last => [notes[^1]],
            Reach.Span => Span([.. notes.Where(n => n.Voice == notes[0].Voice && n.Staff == notes[0].Staff)]),
            _ => notes,
        };
    }

    // One voice only: a slur from one voice to another would be none.
    private static List<Note> Span(List<Note> voice) => voice.Count > 1 ? [voice[0], voice[^1]] : [];

    // Notes that are struck in the range; without an end only the first at or after the beat.
    private static List<Note> InRange(Score score, Part part, BeatPlace from, BeatPlace? to)
    {
        var last = to ?? from;
        var notes = part
            .Notes.Skip(part.PlaceFrom(score.Measures[from.Measure].Start))
            .TakeWhile(n => n.MeasureIndex <= last.Measure)
            .Where(n => !n.IsTieContinuation && !n.IsGrace && !n.IsCue)
            .Where(n => n.MeasureIndex > from.Measure || from.Beat is null || BeatOf(score, n) >= from.Beat)
            .Where(n => n.MeasureIndex < last.Measure || to?.Beat is null || BeatOf(score, n) <= to.Value.Beat)
            .ToList();
        if (to is not null || from.Beat is null)
            return notes;
        var first = notes.FirstOrDefault(n => n.Sounds) ?? notes.FirstOrDefault();
        return first is null ? [] : [first];
    }

    private static Fraction BeatOf(Score score, Note note) => score.Measures[note.MeasureIndex].BeatsAt(note.Offset) + 1;
}
