using MellowStand.Core.Notation;

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
                foreach (var cause in other.SelectMany(g => g.Causes))
                    open[cause] = group;
            }

            group.Add(d);
            foreach (var cause in d.Causes)
                open[cause] = group;
        }

        return groups.SelectMany(g => g.Count == 1 ? g : Told(context, g));
    }

    // Signs that strike one note only are told where they stand.
    private static bool Strikes(Difference d) => d.Levels!.Readings.Select(r => r.InForce?.Level).Distinct().Count() == 1;

    // The entry where it began, with what others printed at the same moment; what it leaves unexplained is an entry of its own.
    private static IEnumerable<Difference> Told(UnifyContext context, List<Difference> group)
    {
        var sorted = group.OrderBy(d => d.Levels!.Line.Notes[0][d.Levels.Place].Onset).ToList();
        var first = sorted[0];
        var began = first.Levels!.Began;
        var readings = first
            .Levels.Readings.Concat(sorted.Skip(1).SelectMany(d => d.Levels!.Readings).Where(r => r.InForce?.Onset == began))
            .DistinctBy(r => r.Part.Id)
            .ToList();
        var whole = first.Levels with { Readings = readings, IsBalance = sorted.All(d => d.Levels!.IsBalance) };
        var told = LevelProposal.Of(context, whole);
        var level = DynamicLevels.LevelAfter(told.Proposal.Mark);
        var mended = readings.Select(r => r.Part.Id).ToHashSet();
        var explained = sorted.Skip(1).Where(d => level is null || Agrees(d.Levels!, mended, level.Value)).ToList();
        yield return told with
        {
            Id = first.Id,
            To = explained.Append(first).Max(d => d.To),
        };
        foreach (var d in sorted.Skip(1).Except(explained))
            yield return d;
    }

    // The parts of a mismatch once the level is mended.
    private static bool Agrees(LevelMismatch mismatch, HashSet<string> mended, int level) =>
        mismatch.Readings.All(r => mended.Contains(r.Part.Id) || r.InForce?.Level == level);
}
