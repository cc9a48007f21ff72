using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>Carries a shared line over single notes that differ, and out to the ends of its phrase.</summary>
/// <remarks>A misprint must not break the line that makes it visible. Between two joined places notes at the same moments are joined when
/// at most two of them differ; at an end the walk goes on over one different note when two equal ones follow, or when the phrase ends there
/// and the note is a step away. Our own method.</remarks>
internal static class LineBridges
{
    private const int MostBetween = 8;
    private const int MostDifferent = 2;
    private const int LeastAfter = 2;
    private const int LeastRun = 5;
    private const int SureRun = 20;

    private static readonly Fraction LongestGap = 8;

    public static void Build(List<VoiceLine> voices, UnionByOnset partners)
    {
        foreach (var ((a, b), joined) in partners.Pairs.ToList())
        {
            var pair = new Pair(voices[a].Notes, voices[b].Notes);
            var onsets = joined.Order().ToList();
            var add = new List<Fraction>();
            var runs = Runs(onsets, pair).ToList();
            for (var i = 0; i + 1 < runs.Count; i++)
                add.AddRange(pair.Between(runs[i].Last, runs[i + 1].First, runs[i].Count + runs[i + 1].Count));
            foreach (var run in runs)
            {
                add.AddRange(pair.Walk(run.First, -1, run.Count));
                add.AddRange(pair.Walk(run.Last, 1, run.Count));
            }

            foreach (var onset in add)
                partners.Join(onset, a, b);
        }
    }

    // Joined onsets with nothing unjoined between them.
    private static IEnumerable<(Fraction First, Fraction Last, int Count)> Runs(List<Fraction> onsets, Pair pair)
    {
        var start = 0;
        for (var i = 1; i <= onsets.Count; i++)
        {
            if (i < onsets.Count && pair.AreNeighbours(onsets[i - 1], onsets[i]))
                continue;
            yield return (onsets[start], onsets[i - 1], i - start);
            start = i;
        }
    }

    private sealed class Pair(IReadOnlyList<Note> a, IReadOnlyList<Note> b)
    {
        private readonly Dictionary<Fraction, int> _inA = Index(a);
        private readonly Dictionary<Fraction, int> _inB = Index(b);

        public bool AreNeighbours(Fraction x, Fraction y) => _inA[y] == _inA[x] + 1 || _inB[y] == _inB[x] + 1;

        public IEnumerable<Fraction> Between(Fraction from, Fraction to, int around)
        {
            var (ai, bi) = (_inA[from], _inB[from]);
            var count = _inA[to] - ai - 1;
            if (count is 0 or > MostBetween || _inB[to] - bi - 1 != count || to - from > LongestGap)
                return [];
            var places = Enumerable.Range(1, count).ToList();
            if (places.Any(k => a[ai + k].Onset != b[bi + k].Onset))
                return [];
            // Two voices of one harmony meet for a while too: short lines are bridged over a neighbouring note only.
            if (around < SureRun && places.Any(k => !Same(a[ai + k], b[bi + k]) && !IsStepAway(a[ai + k], b[bi + k])))
                return [];
            var different = places.Count(k => !Same(a[ai + k], b[bi + k]));
            return different <= MostDifferent && different * 2 <= count + 1 ? places.Select(k => a[ai + k].Onset) : [];
        }

        // From the end of a run outwards.
        public List<Fraction> Walk(Fraction from, int direction, int run)
        {
            var found = new List<Fraction>();
            var pending = new List<Fraction>();
            var (i, k, equal) = (_inA[from] + direction, _inB[from] + direction, 0);
            var odd = false;
            for (
                ;
                i >= 0 && i < a.Count && k >= 0 && k < b.Count && a[i].Onset == b[k].Onset && Touches(i - direction, i) && found.Count < 16;
                i += direction, k += direction
            )
            {
                pending.Add(a[i].Onset);
                if (Same(a[i], b[k]))
                {
                    if (++equal < LeastAfter && odd)
                        continue;
                    found.AddRange(pending);
                    pending.Clear();
                    odd = false;
                    continue;
                }

                if (odd || run < LeastRun - 1 || (run < SureRun && !IsStepAway(a[i], b[k])))
                    return found;
                (odd, equal) = (true, 0);
                if (run >= LeastRun && EndsPhrase(i, k, direction) && IsStepAway(a[i], b[k]))
                    found.AddRange(pending);
            }

            // One equal note that ends the phrase after the odd one is enough.
            if (odd && equal >= 1 && run >= LeastRun)
                found.AddRange(pending);
            return found;
        }

        private bool EndsPhrase(int i, int k, int direction) => Ends(a, i, direction) && Ends(b, k, direction);

        private static bool Ends(IReadOnlyList<Note> notes, int i, int direction)
        {
            var next = i + direction;
            if (next < 0 || next >= notes.Count)
                return true;
            return direction > 0
                ? notes[next].Onset > notes[i].Onset + notes[i].SoundingDuration
                : notes[i].Onset > notes[next].Onset + notes[next].SoundingDuration;
        }

        private bool Touches(int inner, int outer)
        {
            var (first, second) = inner < outer ? (a[inner], a[outer]) : (a[outer], a[inner]);
            return second.Onset - (first.Onset + first.SoundingDuration) <= 1;
        }

        private static bool Same(Note x, Note y) => x.TopSounding % 12 == y.TopSounding % 12;

        private static bool IsStepAway(Note x, Note y)
        {
            var distance = (((x.TopSounding!.Value - y.TopSounding!.Value) % 12) + 12) % 12;
            return Math.Min(distance, 12 - distance) <= 2 && x.SoundingDuration == y.SoundingDuration;
        }

        private static Dictionary<Fraction, int> Index(IReadOnlyList<Note> notes) =>
            notes.Select((n, i) => (n.Onset, i)).ToDictionary(x => x.Onset, x => x.i);
    }
}
