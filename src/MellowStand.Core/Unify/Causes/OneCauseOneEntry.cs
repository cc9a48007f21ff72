namespace MellowStand.Core.Unify;

/// <summary>One cause, one entry: what a printed sign or a figure causes in several lines, or several times in a measure, is told
/// once.</summary>
internal static class OneCauseOneEntry
{
    public static IEnumerable<Difference> Of(UnifyContext context, IEnumerable<Difference> differences)
    {
        var byKind = differences.GroupBy(d => d.Kind).ToDictionary(g => g.Key, g => g.ToList());
        foreach (var (kind, found) in byKind)
        {
            var told = kind switch
            {
                "dynamic" => LevelCauses.Merge(context, found),
                "rhythm" => FigureCauses.Merge(found, sameReadings: false),
                "articulation" => SignCauses.Merge(FigureCauses.Merge(found, sameReadings: true)),
                _ => SignCauses.Merge(found),
            };
            foreach (var d in told)
                yield return d;
        }
    }
}
