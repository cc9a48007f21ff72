namespace MellowStand.Core.Study;

/// <summary>Which findings a director reads first, and which are shown at all unless everything is asked for.</summary>
/// <remarks>By severity, then by how dear it is to miss in rehearsal, then by place. Shown are all that somebody will miss: no warning is
/// hidden because there are many. The order is ours, from common practice, no published source.</remarks>
public static class Ranking
{
    /// <summary>Findings in the order in which a director reads them.</summary>
    public static IReadOnlyList<Finding> Order(IEnumerable<Finding> findings) =>
        [
            .. findings
                .OrderByDescending(f => f.Severity)
                .ThenBy(f => StudyDesk.RuleOf(f.Rule)?.Rank ?? IStudyRule.Unranked)
                .ThenByDescending(f => f.Parts.Count)
                .ThenBy(f => f.From),
        ];

    /// <summary>Ids of the findings that are shown by default: every one that is often missed. What is merely true waits.</summary>
    /// <param name="findings">All findings of a score, without those that were dismissed.</param>
    public static IReadOnlySet<string> Shown(IEnumerable<Finding> findings) =>
        findings.Where(f => f.Severity > Severity.Note).Select(f => f.Id).ToHashSet();
}
