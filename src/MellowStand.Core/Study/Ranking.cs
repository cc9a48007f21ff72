using MellowStand.Core.Notation;

namespace MellowStand.Core.Study;

/// <summary>Which findings a director reads first, and which are shown at all unless everything is asked for.</summary>
/// <remarks>By severity, then by how dear it is to miss in rehearsal, then by place. Shown are those that somebody will miss, fewer than
/// one per three measures of a part: a director reads the first ten. The order is ours, from common practice, no published
/// source.</remarks>
public static class Ranking
{
    private const int MeasuresPerFinding = 3;
    private const int ShortPiece = 12;
    private const int MostInShortPiece = 6;

    /// <summary>Findings in the order in which a director reads them.</summary>
    public static IReadOnlyList<Finding> Order(IEnumerable<Finding> findings) =>
        [
            .. findings
                .OrderByDescending(f => f.Severity)
                .ThenBy(f => StudyDesk.RuleOf(f.Rule)?.Rank ?? IStudyRule.Unranked)
                .ThenByDescending(f => f.Parts.Count)
                .ThenBy(f => f.From),
        ];

    /// <summary>Ids of the findings that are shown by default.</summary>
    /// <param name="findings">All findings of a score, without those that were dismissed.</param>
    /// <param name="score">The score.</param>
    public static IReadOnlySet<string> Shown(IEnumerable<Finding> findings, Score score)
    {
        // A piece of a few lines is read whole.
        var most = score.Measures.Count < ShortPiece ? MostInShortPiece : (score.Measures.Count - 1) / MeasuresPerFinding;
        var count = score.Parts.ToDictionary(p => p.Id, _ => 0);
        var shown = new HashSet<string>();
        foreach (var finding in Order(findings.Where(f => f.Severity > Severity.Note)))
        {
            // A remark for five parts is one of each part's.
            if (finding.Severity < Severity.Stop && finding.Parts.All(p => count[p] >= most))
                continue;
            foreach (var part in finding.Parts)
                count[part]++;
            shown.Add(finding.Id);
        }

        return shown;
    }
}
