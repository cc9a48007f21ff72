using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>Parts the tunes that only meet for a moment: they are no line.</summary>
/// <remarks>Two voices belong together where their common run goes from rest to rest, or lasts for a measure and a half with six strokes,
/// or has twelve strokes; the run is followed beyond the segment, over one note that differs. Four notes or so in common in the middle of
/// two tunes are an accident of harmony. Our own method; the bounds are ours.</remarks>
internal static class ChanceMeetings
{
    private const int SomeStrokes = 6;
    private const int ManyStrokes = 12;
    private const int Furthest = 16;
    private const int MostOdd = 4;

    /// <summary>The lines that a segment really holds: itself, some of its voices, or none.</summary>
    public static IEnumerable<SharedLine> Parted(SharedLine segment)
    {
        var groups = new List<List<int>>();
        for (var v = 0; v < segment.Voices.Count; v++)
        {
            var voice = v;
            var own = groups.FirstOrDefault(g => g.Take(3).Any(w => BelongTogether(segment, w, voice)));
            if (own is null)
                groups.Add([v]);
            else
                own.Add(v);
        }

        return groups.Count == 1
            ? [segment]
            : groups
                .Where(g => g.Count > 1)
                .Select(g => new SharedLine([.. g.Select(i => segment.Voices[i])], [.. g.Select(i => segment.Notes[i])], segment.Kind));
    }

    private static bool BelongTogether(SharedLine segment, int a, int b)
    {
        var (left, right) = (segment.Voices[a].Notes, segment.Voices[b].Notes);
        var (first, last) = (segment.Notes[a][0], segment.Notes[a][^1]);
        var (i, k) = (PlaceOf(left, first), PlaceOf(right, segment.Notes[b][0]));
        var (m, n) = (PlaceOf(left, last), PlaceOf(right, segment.Notes[b][^1]));
        var (before, after) = (Walk(left, right, i, k, -1), Walk(left, right, m, n, 1));
        var (from, to) = (left[i - before], left[m + after]);
        var strokes = m - i + 1 + before + after;
        if (strokes >= ManyStrokes || (strokes >= SomeStrokes && IsLong(to.Onset + to.SoundingDuration - from.Onset, segment)))
            return true;
        return Ends(left, i - before, -1) && Ends(right, k - before, -1) && Ends(left, m + after, 1) && Ends(right, n + after, 1);
    }

    // A measure and a half.
    private static bool IsLong(Fraction length, SharedLine segment)
    {
        var note = segment.Notes[0][0];
        return length * 2 >= segment.Voices[0].Part.Measures[note.MeasureIndex].Meter.Length * 3;
    }

    // How many strokes further the two go together; one note may be another, and one figure in another rhythm.
    private static int Walk(IReadOnlyList<Note> a, IReadOnlyList<Note> b, int i, int k, int step)
    {
        var (count, together, odd) = (0, 0, false);
        var (x, y) = (i + step, k + step);
        for (; together < Furthest && x >= 0 && y >= 0 && x < a.Count && y < b.Count; x += step, y += step)
        {
            if (a[x].Onset == b[y].Onset && Class(a[x]) == Class(b[y]))
            {
                together++;
                count = Math.Abs(x - i);
                continue;
            }

            if (odd)
                break;
            odd = true;
            if (a[x].Onset == b[y].Onset)
                continue;
            if (MeetAgain(a, b, x, y, step) is not { } met)
                break;
            (x, y) = (met.X - step, met.Y - step);
        }

        return count;
    }

    // The next moment at which both strike the same, when they pass through as many notes on the way.
    private static (int X, int Y)? MeetAgain(IReadOnlyList<Note> a, IReadOnlyList<Note> b, int x, int y, int step)
    {
        for (var n = 1; n <= MostOdd; n++)
        {
            var (p, q) = (x + (n * step), y + (n * step));
            if (p < 0 || q < 0 || p >= a.Count || q >= b.Count)
                return null;
            if (a[p].Onset == b[q].Onset && Class(a[p]) == Class(b[q]))
                return (p, q);
        }

        return null;
    }

    private static int Class(Note note) => note.TopSounding!.Value % 12;

    private static bool Ends(IReadOnlyList<Note> notes, int i, int step)
    {
        var next = i + step;
        if (next < 0 || next >= notes.Count)
            return true;
        var (a, b) = step > 0 ? (notes[i], notes[next]) : (notes[next], notes[i]);
        return b.Onset > a.Onset + a.SoundingDuration;
    }

    private static int PlaceOf(IReadOnlyList<Note> notes, Note note) => notes.PlaceFrom(n => n.Onset, note.Onset);
}
