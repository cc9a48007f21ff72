using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>One part that has a tune in a way of its own: a trumpet that tongues what the woodwinds slur.</summary>
/// <remarks>It never prints what the others print, near the stretch too; and it is of another family, or prints marks of its own. A part of
/// the same family that prints nothing has rather been forgotten. Common practice, no published source; the bounds are ours.</remarks>
internal static class OwnLayer
{
    private const int Around = 4;

    /// <summary>The part that stands alone against others that agree; null where there is none.</summary>
    public static string? AloneIn(Difference d)
    {
        var sides = d.Readings.GroupBy(r => r.Has).OrderBy(g => g.Count()).ToList();
        return sides.Count == 2 && sides[0].Count() == 1 && sides[1].Count() > 1 ? sides[0].Single().Part : null;
    }

    /// <summary>True where a part keeps to its way.</summary>
    /// <param name="context">What the rules share.</param>
    /// <param name="alone">The part.</param>
    /// <param name="run">Where it differs, all in one kind.</param>
    public static bool IsKept(UnifyContext context, string alone, List<Difference> run)
    {
        var others = run[0].Readings.Where(r => r.Part != alone).Select(r => context.Score.FindPart(r.Part)!).ToList();
        if (context.Score.FindPart(alone) is not { } part || others.Count == 0)
            return false;
        var isOther = others.TrueForAll(o => context.FamilyOf(o) != context.FamilyOf(part));
        var printsOwn = run.SelectMany(d => d.Readings).Any(r => r.Part == alone && r.Has.Length > 0) || HasOther(part, run);
        return (isOther || printsOwn) && !PrintsAsOthers(part, others[0], run);
    }

    // Other marks than those in question, on the notes in question: accents where the others slur.
    private static bool HasOther(Part part, List<Difference> run)
    {
        var notes = run.SelectMany(d => d.Readings).Where(r => r.Part == part.Id).SelectMany(r => r.Notes).ToHashSet();
        return run[0].Kind == "slur" && part.Notes.Any(n => notes.Contains(n.Id) && ArticulationDifferences.IsArticulated(n));
    }

    private static bool PrintsAsOthers(Part part, Part other, List<Difference> run)
    {
        var (from, to) = (run.Min(d => d.From) - Around, run.Max(d => d.To) + Around);
        var known = Signs(other, run[0].Kind, from, to).ToHashSet();
        return Signs(part, run[0].Kind, from, to).Any(known.Contains);
    }

    // What a part prints of a kind, each with its place.
    private static IEnumerable<string> Signs(Part part, string kind, int from, int to) =>
        kind switch
        {
            "slur" => part
                .Slurs.Where(s => s.From.MeasureIndex >= from && s.To.MeasureIndex <= to)
                .Select(s => $"{s.From.Onset} {s.To.Onset}"),
            "hairpin" => part.Hairpins.Where(h => h.FromMeasure >= from && h.ToMeasure <= to).Select(h => $"{h.Grows} {h.From}"),
            _ => part
                .Notes.Where(n => n.MeasureIndex >= from && n.MeasureIndex <= to)
                .SelectMany(n => n.Marks.Where(m => IsOf(kind, m)).Select(m => $"{m} {n.Onset}")),
        };

    private static bool IsOf(string kind, Mark mark) =>
        kind switch
        {
            "breath" => mark.Name is "breath-mark" or "caesura",
            "dynamic" => mark.Name == "dynamics",
            _ => ArticulationDifferences.Compares(mark),
        };
}
