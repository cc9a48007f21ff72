namespace MellowStand.Core.Unify;

/// <summary>Parts that differ in one and the same way for measures on end mean it: strings bow where winds phrase, two voices of the
/// composition have marks of their own. One note of lower rank for the stretch, with nothing to overwrite.</summary>
/// <remarks>At least three differences of a kind over at least three measures, with the same parts on either side and more than one part
/// on each, or strings against winds. One part in a way of its own: <see cref="OwnLayers"/>. Common practice, no published source; the
/// bounds are ours.</remarks>
internal static class MeantStretches
{
    private const int LeastDifferences = 3;
    private const int LeastMeasures = 3;
    private const int LongestGap = 2;
    private const string Families = "families";

    public static List<Difference> Merge(UnifyContext context, List<Difference> differences)
    {
        var split = differences
            .Where(d => !d.IsNote && d.Kind is "slur" or "articulation" or "hairpin" or "dynamic")
            .Where(d => d.Relation != SharedLine.Return)
            .GroupBy(d => (d.Kind, Parted: Sides(context, d)))
            .Where(g => g.Key.Parted is not null);
        var stretches = split.SelectMany(g => Runs([.. g.OrderBy(d => d.From)])).Where(IsLong).ToList();
        var merged = stretches.SelectMany(s => s).Select(d => d.Id).ToHashSet();
        return [.. differences.Where(d => !merged.Contains(d.Id)), .. stretches.Select(s => One(context, s))];
    }

    // The parts on either side, where the split can be meant.
    private static string? Sides(UnifyContext context, Difference d)
    {
        var sides = d.Readings.GroupBy(r => r.Has).Select(g => g.Select(r => r.Part).Distinct().ToList()).ToList();
        var ways = sides.Select(s => s.Select(p => IsBowed(context, p)).Distinct().ToList()).ToList();
        var areFamilies = d.Kind == "slur" && ways.All(w => w.Count == 1) && ways.Select(w => w[0]).Distinct().Count() == 2;
        if (areFamilies)
            return Families;
        return sides.Count == 2 && sides.All(s => s.Count > 1)
            ? string.Join('|', sides.Select(s => string.Join(' ', s.Order(StringComparer.Ordinal))).Order(StringComparer.Ordinal))
            : null;
    }

    private static bool IsBowed(UnifyContext context, string part) =>
        context.Score.FindPart(part) is { } p && context.SustainOf(p) == Instruments.Sustain.Bow;

    private static IEnumerable<List<Difference>> Runs(List<Difference> sorted)
    {
        var run = new List<Difference>();
        var last = 0;
        foreach (var d in sorted)
        {
            if (run.Count > 0 && d.From > last + LongestGap)
            {
                yield return run;
                run = [];
            }

            run.Add(d);
            last = Math.Max(last, d.To);
        }

        if (run.Count > 0)
            yield return run;
    }

    private static bool IsLong(List<Difference> run) =>
        run.Sum(d => d.Kind == "articulation" ? d.Readings[0].Notes.Count : 1) >= LeastDifferences
        && run.SelectMany(d => Enumerable.Range(d.From, d.To - d.From + 1)).Distinct().Count() >= LeastMeasures;

    private static Difference One(UnifyContext context, List<Difference> run)
    {
        var readings = run.SelectMany(d => d.Readings)
            .GroupBy(r => r.Part)
            .Select(g => new Reading(g.Key, [.. g.SelectMany(r => r.Notes).Distinct()], Had(run[0].Kind, g)))
            .ToList();
        var (from, to) = (run.Min(d => d.From), run.Max(d => d.To));
        var told =
            Sides(context, run[0]) == Families
                ? "the strings bow where the winds phrase: as it is meant."
                : "the same parts differ all along: two voices of the music.";
        var why = $"From {Label(context, from)} to {Label(context, to)} {told}";
        return run[0] with
        {
            To = to,
            From = from,
            Readings = readings,
            IsNote = true,
            Proposal = new Proposal("", [], why, "meant", Sureness.Yours),
            Changes = readings.Select(r => r.Has).Append("").Distinct().ToDictionary(h => h, _ => (IReadOnlyList<Decisions.MarkChange>)[]),
        };
    }

    private static string Label(UnifyContext context, int measure) => context.Score.Measures[measure].Label;

    private static string Had(string kind, IEnumerable<Reading> readings)
    {
        var printed = readings.Where(r => r.Has.Length > 0).SelectMany(r => r.Has.Split(", ")).ToList();
        if (kind == "slur")
            return printed.Count == 1 ? "one slur" : $"{printed.Count} slurs";
        return string.Join(", ", printed.Distinct());
    }
}
