namespace MellowStand.Core.Unify;

/// <summary>A printed hairpin or word that crosses several lines is told once, in the line that has most parts.</summary>
internal static class SignCauses
{
    public static IEnumerable<Difference> Merge(IEnumerable<Difference> differences)
    {
        var told = new HashSet<string>();
        foreach (var d in differences.OrderByDescending(d => d.Readings.Count).ThenBy(d => d.From))
        {
            if (d.Causes.Count > 0 && d.Causes.All(told.Contains))
                continue;
            told.UnionWith(d.Causes);
            yield return d;
        }
    }
}
