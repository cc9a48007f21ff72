using MellowStand.Core.Notation;
using MellowStand.Core.Unify;

namespace MellowStand.Core.Assign;

/// <summary>Parts that share the line of a stretch, and the measures of it in which they play.</summary>
/// <param name="Parts">The parts in score order.</param>
/// <param name="Range">From the first to the last measure in which one of them plays.</param>
internal sealed record CutGroup(IReadOnlyList<Part> Parts, MeasureRange Range);

/// <summary>One passage for all who share the line.</summary>
internal static class CutGroups
{
    private const double MostOfTheNotes = 0.7;

    /// <summary>The groups of a stretch; parts that rest in it are in none.</summary>
    /// <param name="parts">The parts.</param>
    /// <param name="range">The stretch.</param>
    /// <param name="lines">Lines that parts share.</param>
    /// <param name="plays">True when a part sounds in a measure.</param>
    public static IEnumerable<CutGroup> Of(
        IReadOnlyList<Part> parts,
        MeasureRange range,
        IReadOnlyList<SharedLine> lines,
        Func<Part, int, bool> plays
    )
    {
        var open = parts.Where(p => Enumerable.Range(range.From, range.Length).Any(m => plays(p, m))).ToList();
        while (open.Count > 0)
        {
            var lead = open[0];
            var own = open.Where(p => p == lead || Share(lead, p, range, lines)).ToList();
            var measures = Enumerable.Range(range.From, range.Length).Where(m => own.Exists(p => plays(p, m))).ToList();
            yield return new CutGroup(own, new MeasureRange(measures[0], measures[^1]));
            open.RemoveAll(own.Contains);
        }
    }

    /// <summary>Neighbouring stretches of the same parts, brought together where one alone is too short and nothing parts them.</summary>
    /// <param name="groups">The groups in order.</param>
    /// <param name="longest">At most so many measures a passage.</param>
    /// <param name="isParted">True where the music is parted before a measure.</param>
    public static List<CutGroup> Joined(IEnumerable<CutGroup> groups, int longest, Func<int, bool> isParted)
    {
        var joined = new List<CutGroup>();
        foreach (var group in groups)
        {
            var before = joined.FindLastIndex(g => g.Parts.SequenceEqual(group.Parts));
            if (before >= 0 && Belongs(joined[before].Range, group.Range, longest) && !isParted(group.Range.From))
                joined[before] = group with { Range = new MeasureRange(joined[before].Range.From, group.Range.To) };
            else
                joined.Add(group);
        }

        return joined;
    }

    private static bool Belongs(MeasureRange a, MeasureRange b, int longest) =>
        b.From == a.To + 1 && b.To - a.From + 1 <= longest && Math.Min(a.Length, b.Length) < CutRequest.Shortest;

    private static bool Share(Part a, Part b, MeasureRange range, IReadOnlyList<SharedLine> lines)
    {
        var (inA, inB) = (Struck(a, range), Struck(b, range));
        var (together, inLineB) = (0, 0);
        foreach (var line in lines.Where(l => l.Kind is null && l.Measures.From <= range.To && l.Measures.To >= range.From))
        {
            var (rowA, rowB) = (Row(line, a), Row(line, b));
            if (rowA is null || rowB is null)
                continue;
            together += rowA.Count(n => range.Holds(n.MeasureIndex));
            inLineB += rowB.Count(n => range.Holds(n.MeasureIndex));
        }

        return together >= MostOfTheNotes * inA && inLineB >= MostOfTheNotes * inB;
    }

    private static IReadOnlyList<Note>? Row(SharedLine line, Part part)
    {
        for (var i = 0; i < line.Voices.Count; i++)
            if (line.Voices[i].Part.Id == part.Id)
                return line.Notes[i];
        return null;
    }

    private static int Struck(Part part, MeasureRange range) =>
        Enumerable
            .Range(range.From, range.Length)
            .Sum(m => part.Measures[m].Notes.Count(n => n is { Sounds: true, IsGrace: false, IsCue: false, IsTieContinuation: false }));
}
