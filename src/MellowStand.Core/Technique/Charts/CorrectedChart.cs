namespace MellowStand.Core.Technique.Charts;

/// <summary>A chart with the school's corrections.</summary>
public static class CorrectedChart
{
    /// <summary>The chart as the school has it: fingerings that are never taken are gone, new ones are there, usual ones come
    /// first.</summary>
    public static FingeringChart Of(FingeringChart chart, IReadOnlyList<ChartCorrection> corrections) =>
        corrections.Count == 0
            ? chart
            : new FingeringChart(
                chart.Kind,
                chart.Keys,
                [.. chart.Notes.Select(n => n with { Fingerings = Row(n, [.. corrections.Where(c => c.Written == n.Written.Midi)]) })],
                chart.Trills,
                chart.Source
            );

    private static IReadOnlyList<Fingering> Row(ChartNote note, List<ChartCorrection> corrections)
    {
        if (corrections.Count == 0)
            return note.Fingerings;
        var by = corrections.ToDictionary(c => c.Code, StringComparer.Ordinal);
        var kept = note
            .Fingerings.Where(f => !by.TryGetValue(f.Code, out var c) || c.Standing != "never")
            .Select(f => by.TryGetValue(f.Code, out var c) ? Changed(f, c) : f)
            .Concat(
                corrections
                    .Where(c => c.Standing != "never" && note.Fingerings.All(f => f.Code != c.Code))
                    .Select(c => Changed(new Fingering(c.Code, [], "", ""), c))
            )
            .ToList();
        // A note is never left without a fingering.
        if (kept.Count == 0)
            return note.Fingerings;
        return [.. kept.OrderBy(f => by.TryGetValue(f.Code, out var c) ? Place(c.Standing) : 1)];
    }

    private static int Place(string standing) =>
        standing switch
        {
            "usual" => 0,
            "avoid" => 2,
            _ => 1,
        };

    private static Fingering Changed(Fingering f, ChartCorrection c) =>
        f with
        {
            Keys = c.Keys.Count > 0 ? c.Keys : f.Keys,
            When = c.Remark.Length > 0 ? c.Remark : f.When,
        };
}
