namespace MellowStand.Core.Assign;

/// <summary>Players who are planned as one.</summary>
/// <param name="Passages">Places of their passages in the problem.</param>
/// <param name="Share">Their share of a day's minutes.</param>
public sealed record PlanGroup(IReadOnlyList<int> Passages, double Share);

/// <summary>Brings players together who have the same passages and the same time.</summary>
public static class PlanGroups
{
    /// <summary>The groups that a plan must ask; whoever has fewer passages and no less time than another group is held by it.</summary>
    public static IReadOnlyList<PlanGroup> Of(PlanProblem problem)
    {
        var passages = new Dictionary<string, List<int>>();
        for (var i = 0; i < problem.Passages.Count; i++)
            foreach (var player in problem.Passages[i].Players.Distinct())
                (passages.TryGetValue(player, out var own) ? own : passages[player] = []).Add(i);
        var groups = passages
            .GroupBy(p => (string.Join(' ', p.Value), Share: problem.Shares.GetValueOrDefault(p.Key, 1)))
            .Select(g => (Passages: g.First().Value.ToHashSet(), g.Key.Share))
            .OrderByDescending(g => g.Passages.Count)
            .ThenBy(g => g.Share)
            .ToList();
        var kept = new List<(HashSet<int> Passages, double Share)>();
        foreach (var group in groups)
            if (!kept.Exists(k => k.Share <= group.Share && group.Passages.IsSubsetOf(k.Passages)))
                kept.Add(group);
        return [.. kept.Select(k => new PlanGroup([.. k.Passages.Order()], k.Share))];
    }
}
