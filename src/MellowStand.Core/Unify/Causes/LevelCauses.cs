namespace MellowStand.Core.Unify;

/// <summary>Puts together what one printed level causes: it is one entry for as long as it is in force, whatever lines it
/// crosses.</summary>
/// <remarks>Mismatches that came apart at the same moment and share a part have one cause. Our own method.</remarks>
internal static class LevelCauses
{
    public static IEnumerable<Difference> Merge(UnifyContext context, IEnumerable<Difference> differences)
    {
        var open = new Dictionary<string, List<Difference>>();
        var groups = new List<List<Difference>>();
        foreach (var d in differences.OrderBy(d => d.Levels?.Line.Notes[0][d.Levels.Place].Onset ?? 0))
        {
            if (d.Levels is not { IsEntry: false } || Strikes(d))
            {
                groups.Add([d]);
                continue;
            }

            var known = d.Causes.Select(c => open.GetValueOrDefault(c)).OfType<List<Difference>>().Distinct().ToList();
            var group = known.Count > 0 ? known[0] : [];
            if (known.Count == 0)
                groups.Add(group);
            foreach (var other in known.Skip(1))
            {
                group.AddRange(other);
                groups.Remove(other);
            }

            group.Add(d);
            foreach (var cause in group.SelectMany(g => g.Causes))
                open[cause] = group;
        }

        return groups.Select(g => g.Count == 1 ? g[0] : One(context, g));
    }

    // Signs that strike one note only are told where they stand.
    private static bool Strikes(Difference d) => d.Levels!.Readings.Select(r => r.InForce?.Level).Distinct().Count() == 1;

    private static Difference One(UnifyContext context, List<Difference> group)
    {
        var first = group.MinBy(d => (d.From, d.Levels!.Line.Notes[0][d.Levels.Place].Onset))!;
        var readings = group
            .OrderBy(d => d.Levels!.Line.Notes[0][d.Levels.Place].Onset)
            .SelectMany(d => d.Levels!.Readings)
            .DistinctBy(r => r.Part.Id)
            .ToList();
        var whole = first.Levels! with { Readings = readings, IsBalance = group.All(d => d.Levels!.IsBalance) };
        return LevelProposal.Of(context, whole) with { Id = first.Id, To = group.Max(d => d.To) };
    }
}
