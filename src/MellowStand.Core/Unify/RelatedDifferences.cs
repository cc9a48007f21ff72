using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>Differences between parts that share a rhythm, and between a passage and its return.</summary>
/// <remarks>Other notes may well be marked otherwise: a difference is told only where the two agree in most of their marks of that kind
/// already, so that the odd one is an oversight. What a unison or octave line tells of the same notes is not told twice. Returns may differ
/// on purpose and are notes. Our own rule; the bounds are ours.</remarks>
internal static class RelatedDifferences
{
    private const int LeastAgreeing = 3;
    private const double LeastShare = 0.75;

    private static readonly Dictionary<string, string[]> Kinds = new()
    {
        [SharedLine.SameRhythm] = ["articulation", "slur", "hairpin", "dynamic"],
        [SharedLine.Return] = ["articulation", "slur", "ornament"],
    };

    public static IEnumerable<Difference> Find(
        UnifyContext context,
        IReadOnlyList<IDifferenceRule> rules,
        IEnumerable<SharedLine> lines,
        IReadOnlyList<Difference> told
    )
    {
        var known = told.SelectMany(d => d.Readings.SelectMany(r => r.Notes.Select(n => (d.Kind, n)))).ToHashSet();
        foreach (var line in lines)
        {
            foreach (var rule in rules.Where(r => Kinds[line.Relation].Contains(r.Kind)))
            {
                var found = rule.Find(context, line).ToList();
                if (found.Count == 0 || !AgreesMostly(rule.Kind, line, found))
                    continue;
                foreach (var d in found.Where(d => !d.Readings.SelectMany(r => r.Notes).Any(n => known.Contains((d.Kind, n)))))
                {
                    known.UnionWith(d.Readings.SelectMany(r => r.Notes.Select(n => (d.Kind, n))));
                    yield return d with
                    {
                        IsNote = d.IsNote || line.Relation == SharedLine.Return,
                    };
                }
            }
        }
    }

    private static bool AgreesMostly(string kind, SharedLine line, List<Difference> found)
    {
        var marked = Enumerable
            .Range(0, line.Notes[0].Count)
            .Count(i => line.Notes.Select((row, k) => (row[i], line.Voices[k].Part)).Any(x => IsMarked(kind, x.Item1, x.Part)));
        var differing = kind is "articulation" or "ornament" ? found.Sum(d => d.Readings[0].Notes.Count) : found.Count;
        var agreeing = marked - differing;
        return agreeing >= LeastAgreeing && agreeing >= marked * LeastShare;
    }

    private static bool IsMarked(string kind, Note note, Part part) =>
        kind switch
        {
            "slur" => part.Slurs.Any(s => s.From == note),
            "hairpin" => part.Hairpins.Any(h => h.From >= note.Onset && h.From < note.Onset + note.SoundingDuration),
            "dynamic" => note.Marks.Any(m => m.Name == "dynamics"),
            "ornament" => note.Marks.Any(m =>
                m.Name.EndsWith("turn", StringComparison.Ordinal)
                || m.Name.EndsWith("mordent", StringComparison.Ordinal)
                || m.Name == "trill-mark"
            ),
            _ => ArticulationDifferences.IsArticulated(note),
        };
}
