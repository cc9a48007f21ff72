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

    /// <summary>True for a kind that is looked for in such a line.</summary>
    public static bool LooksFor(SharedLine line, string kind) => Kinds[line.Relation].Contains(kind);

    /// <summary>What is told of related lines.</summary>
    /// <param name="lines">The lines with what the rules found in them.</param>
    /// <param name="told">What is told already of lines of the same notes.</param>
    public static IEnumerable<Difference> Find(IEnumerable<LineFindings> lines, IReadOnlyList<Difference> told)
    {
        var known = told.SelectMany(d => d.Readings.SelectMany(r => r.Notes.Select(n => (d.Kind, n)))).ToHashSet();
        foreach (var (line, byKind) in lines)
            foreach (var (kind, found) in byKind.Where(k => AgreesMostly(k.Kind, line, k.Found)))
                foreach (var d in found.Where(d => !d.Readings.SelectMany(r => r.Notes).Any(n => known.Contains((kind, n)))))
                {
                    known.UnionWith(d.Readings.SelectMany(r => r.Notes.Select(n => (kind, n))));
                    yield return d with
                    {
                        IsNote = d.IsNote || line.Relation == SharedLine.Return,
                    };
                }
    }

    private static bool AgreesMostly(string kind, SharedLine line, IReadOnlyList<Difference> found)
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
