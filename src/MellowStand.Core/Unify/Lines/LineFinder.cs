using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>Finds the lines that parts share.</summary>
/// <remarks>Windows of neighbouring notes are hashed by onset and pitch class, so that parts meet in a table and are never
/// compared pair by pair. A window of four notes with two different pitch classes counts, one of six on any pitch, and a short
/// phrase between rests as a whole: three notes in the middle of other music are an accident of harmony. Our own method.</remarks>
public static class LineFinder
{
    private const int ShortWindow = 4;
    private const int LongWindow = 6;

    /// <summary>All shared lines of a score, by onset.</summary>
    public static IReadOnlyList<SharedLine> Find(Score score) => Find([.. score.Parts.SelectMany(VoicesOf)]);

    internal static List<SharedLine> Find(List<VoiceLine> voices)
    {
        var partners = new UnionByOnset();
        foreach (var (size, distinct) in new[] { (ShortWindow, 2), (LongWindow, 1) })
            Hash(voices, partners, notes => Enumerable.Range(0, Math.Max(0, notes.Count - size + 1)).Select(i => (i, size)), distinct);
        Hash(voices, partners, ShortPhrases, 2);
        LineBridges.Build(voices, partners);
        return [.. Segments(voices, partners).SelectMany(ChanceMeetings.Parted).OrderBy(l => l.Notes[0][0].Onset)];
    }

    /// <summary>The voices of a part that have a line of their own.</summary>
    public static IEnumerable<VoiceLine> VoicesOf(Part part) =>
        part
            .Notes.Where(n => n.Kind == NoteKind.Pitched && !n.IsGrace && !n.IsCue && !n.IsTieContinuation && n.TopSounding is not null)
            .GroupBy(n => (n.Staff, n.Voice))
            .Select(g => new VoiceLine(part, g.Key.Voice, [.. g.DistinctBy(n => n.Onset)]));

    private static void Hash(
        List<VoiceLine> voices,
        UnionByOnset partners,
        Func<IReadOnlyList<Note>, IEnumerable<(int Start, int Size)>> windows,
        int leastDistinct
    )
    {
        var table = new Dictionary<WindowKey, int>();
        for (var v = 0; v < voices.Count; v++)
        {
            var notes = voices[v].Notes;
            foreach (var (start, size) in windows(notes))
            {
                if (WindowKey.Of(notes, start, size, leastDistinct) is not { } key || table.TryAdd(key, v))
                    continue;
                // Two hands of one player are no doubling.
                if (voices[table[key]].Part == voices[v].Part)
                    continue;
                for (var k = 0; k < size; k++)
                    partners.Join(notes[start + k].Onset, table[key], v);
            }
        }
    }

    // Phrases between rests that are too short for a window.
    private static IEnumerable<(int Start, int Size)> ShortPhrases(IReadOnlyList<Note> notes)
    {
        var start = 0;
        for (var i = 1; i <= notes.Count; i++)
        {
            if (i < notes.Count && notes[i].Onset == notes[i - 1].Onset + notes[i - 1].SoundingDuration)
                continue;
            if (i - start is > 1 and < ShortWindow)
                yield return (start, i - start);
            start = i;
        }
    }

    private static List<SharedLine> Segments(List<VoiceLine> voices, UnionByOnset partners)
    {
        var lines = new List<SharedLine>();
        for (var v = 0; v < voices.Count; v++)
        {
            List<int>? current = null;
            var rows = new List<Note>[voices.Count];
            foreach (var note in voices[v].Notes)
            {
                var group = partners.GroupOf(note.Onset, v);
                // Each line is told once, by its first voice.
                var leads = group.Count > 1 && group[0] == v;
                if (!leads || current is null || !group.SequenceEqual(current))
                {
                    Close(lines, voices, current, rows);
                    current = leads ? group : null;
                }

                if (current is null)
                    continue;
                foreach (var member in current)
                    (rows[member] ??= []).Add(partners.NoteAt(voices, member, note.Onset));
            }

            Close(lines, voices, current, rows);
        }

        return [.. lines.OrderBy(l => l.Notes[0][0].Onset)];
    }

    private static void Close(List<SharedLine> lines, List<VoiceLine> voices, List<int>? current, List<Note>[] rows)
    {
        if (current is not null)
            lines.Add(new SharedLine([.. current.Select(i => voices[i])], [.. current.Select(i => rows[i].ToList())]));
        Array.Clear(rows);
    }

    /// <summary>A window as a value: exact onsets and pitch classes folded into two hashes.</summary>
    private readonly record struct WindowKey(Fraction Start, Fraction End, long Code)
    {
        public static WindowKey? Of(IReadOnlyList<Note> notes, int start, int size, int leastDistinct)
        {
            var code = 17L;
            var seen = 0;
            for (var k = 0; k < size; k++)
            {
                var note = notes[start + k];
                var pitchClass = note.TopSounding!.Value % 12;
                seen |= 1 << pitchClass;
                code = unchecked((code * 1_000_003) + pitchClass + (31L * note.Onset.GetHashCode()));
            }

            if (int.PopCount(seen) < leastDistinct)
                return null;
            return new WindowKey(notes[start].Onset, notes[start + size - 1].Onset, code);
        }
    }
}
