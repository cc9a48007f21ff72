using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A later stretch of measures that is an earlier one again.</summary>
/// <param name="First">First measure of the earlier stretch from 0.</param>
/// <param name="Again">First measure of the later stretch from 0.</param>
/// <param name="Length">Measures of both.</param>
/// <param name="Different">Places in the stretch (from 0) whose pitches or rhythm differ.</param>
/// <param name="EndsOtherwise">True where the phrase goes on for one measure more, with other music.</param>
internal sealed record RepeatedBlock(int First, int Again, int Length, IReadOnlyList<int> Different, bool EndsOtherwise);

/// <summary>Finds stretches of measures that come again, exactly or but for single measures.</summary>
/// <remarks>Equal measures meet in a table and are followed along their diagonal; a different measure is bridged when equal ones stand on
/// both sides, or when it is much alike. Our own method.</remarks>
internal static class RepeatedBlocks
{
    private const int LeastMeasures = 4;
    private const int LeastShort = 2;
    private const int LeastNotes = 5;
    private const int LeastPitches = 4;
    private const double Alike = 0.5;
    private const int Tail = 3;

    public static IEnumerable<RepeatedBlock> Find(IReadOnlyList<MeasureContent> measures)
    {
        var places = new Dictionary<string, List<int>>();
        var covered = -1;
        for (var j = 0; j < measures.Count; j++)
        {
            if (measures[j].IsRest)
                continue;
            if (!places.TryGetValue(measures[j].Pitches, out var earlier))
                places[measures[j].Pitches] = earlier = [];
            if (j > covered)
            {
                var best = earlier
                    .Take(24)
                    .Select(i => Follow(measures, i, j))
                    .Where(b => Counts(measures, b))
                    .MaxBy(b => (b.Length - b.Different.Count, -b.First));
                if (best is not null)
                {
                    covered = best.Again + best.Length - 1;
                    yield return best;
                }
            }

            earlier.Add(j);
        }
    }

    private static bool Counts(IReadOnlyList<MeasureContent> measures, RepeatedBlock block)
    {
        var equal = Enumerable
            .Range(0, block.Length)
            .Where(k => !block.Different.Contains(k) && !measures[block.Again + k].IsRest)
            .ToList();
        if (equal.Count is >= LeastMeasures or < LeastShort)
            return equal.Count >= LeastMeasures;
        var notes = equal.SelectMany(k => measures[block.Again + k].Sounding).ToList();
        return notes.Count >= LeastNotes && notes.Select(n => n.TopSounding).Distinct().Count() >= LeastPitches;
    }

    private static RepeatedBlock Follow(IReadOnlyList<MeasureContent> measures, int i, int j)
    {
        var different = new List<int>();
        // The very first measure of the return may be the altered one.
        var lead =
            i > 0
            && j > i + 1
            && !measures[j - 1].IsRest
            && !Equal(measures, i - 1, j - 1)
            && measures[i - 1].SharedWith(measures[j - 1]) >= Alike
            && Equal(measures, i + 1, j + 1)
                ? 1
                : 0;
        if (lead == 1)
            different.Add(0);
        var k = 1;
        while (j + k < measures.Count && i + k < j)
        {
            if (!Equal(measures, i + k, j + k))
            {
                if (!Bridges(measures, i, j, k))
                    break;
                different.Add(k + lead);
            }

            k++;
        }

        // The return ends where the likeness ends.
        var endsOtherwise = false;
        while (k > 1 && different.Contains(k - 1 + lead) && !StillAlike(measures[i + k - 1], measures[j + k - 1]))
        {
            different.Remove(--k + lead);
            endsOtherwise = !measures[j + k].IsRest;
        }

        return new RepeatedBlock(i - lead, j - lead, k + lead, different, endsOtherwise);
    }

    private static bool StillAlike(MeasureContent a, MeasureContent b) => !b.IsRest && (a.Rhythm == b.Rhythm || a.SharedWith(b) > 0);

    private static bool Equal(IReadOnlyList<MeasureContent> m, int i, int j) => j < m.Count && i < m.Count && m[i].Pitches == m[j].Pitches;

    private static bool Bridges(IReadOnlyList<MeasureContent> m, int i, int j, int k)
    {
        var (a, b) = (m[i + k], m[j + k]);
        if (a.IsRest || b.IsRest)
            return false;
        if (a.SharedWith(b) >= Alike || (k >= 2 && a.Rhythm == b.Rhythm && a.SharedWith(b) > 0))
            return true;
        if (k >= 2 && Equal(m, i + k + 1, j + k + 1) && !m[j + k + 1].IsRest && i + k + 1 < j)
            return true;
        // Phrases are built of fours: what is one measure short of them ends otherwise.
        if (k >= 3 && (k + 1) % 4 == 0 && !Equal(m, i + k + 1, j + k + 1))
            return true;
        // The opening again, except for the last measures.
        return k >= LeastMeasures && m.Count - (j + k) <= Tail && (a.SharedWith(b) > 0 || (a.Rhythm == b.Rhythm && b.Sounding.Count >= 3));
    }
}
