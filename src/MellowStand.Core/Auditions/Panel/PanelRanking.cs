using System.Globalization;
using MellowStand.Core.Hear;

namespace MellowStand.Core.Auditions;

/// <summary>A candidate's place.</summary>
/// <param name="Candidate">The candidate.</param>
/// <param name="Place">Place from 1; shared where a tie is not broken.</param>
/// <param name="Score">What they come to.</param>
/// <param name="Tie">How a tie was broken, or that it was not; empty without one.</param>
public sealed record RankedCandidate(long Candidate, int Place, PanelScore Score, string Tie);

/// <summary>Ranks candidates; ties are told, and broken by one criterion after the other.</summary>
/// <remarks>The heaviest criterion decides first, those of one weight in the order of the list: right notes, rhythm, and so on. Common
/// practice, no published source. Who is equal in all shares a place: the director decides.</remarks>
public static class PanelRanking
{
    // Listeners do not hear finer than this.
    private const double Equal = 0.05;

    /// <summary>The order of those who were heard by a listener.</summary>
    /// <param name="weights">Criteria with their weights.</param>
    /// <param name="scores">Candidates with their scores.</param>
    public static IReadOnlyList<RankedCandidate> Of(
        IReadOnlyList<TestWeight> weights,
        IEnumerable<(long Candidate, PanelScore Score)> scores
    )
    {
        var breakers = weights.OrderByDescending(w => w.Weight).Select(w => w.Name).ToList();
        var order = scores.Where(s => s.Score.Percent is not null).ToList();
        order.Sort((a, b) => Compare(a, b, breakers));
        var ranked = new List<RankedCandidate>();
        for (var i = 0; i < order.Count; i++)
        {
            var shares =
                i > 0 && IsTied(order[i - 1].Score, order[i].Score) && Breaker(order[i - 1].Score, order[i].Score, breakers) is null;
            ranked.Add(new RankedCandidate(order[i].Candidate, shares ? ranked[^1].Place : i + 1, order[i].Score, Tie(order, i, breakers)));
        }

        return ranked;
    }

    private static int Compare((long Candidate, PanelScore Score) a, (long Candidate, PanelScore Score) b, List<string> breakers)
    {
        if (!IsTied(a.Score, b.Score))
            return b.Score.Percent!.Value.CompareTo(a.Score.Percent!.Value);
        return Breaker(a.Score, b.Score, breakers) is { } by
            ? b.Score.Means[by].CompareTo(a.Score.Means[by])
            : a.Candidate.CompareTo(b.Candidate);
    }

    private static bool IsTied(PanelScore a, PanelScore b) => Rounded(a) == Rounded(b);

    // Rounded first, so that being tied goes from one to the next and on to the third.
    private static double Rounded(PanelScore score) => Math.Round(score.Percent!.Value / (2 * Equal)) * 2 * Equal;

    private static string? Breaker(PanelScore a, PanelScore b, List<string> breakers) => breakers.Find(c => a.Means[c] != b.Means[c]);

    private static string Tie(List<(long Candidate, PanelScore Score)> order, int i, List<string> breakers)
    {
        var other = new[] { i - 1, i + 1 }.FirstOrDefault(j => j >= 0 && j < order.Count && IsTied(order[i].Score, order[j].Score), -1);
        if (other < 0)
            return "";
        if (Breaker(order[i].Score, order[other].Score, breakers) is not { } by)
            return "tied in everything: listen again, or decide";
        var words = TestCriteria.Find(by)?.Words ?? by;
        return $"tied; {(other > i ? "ahead" : "behind")} by {words}, {Mark(order[i].Score, by)} to {Mark(order[other].Score, by)}";
    }

    private static string Mark(PanelScore score, string criterion) => score.Means[criterion].ToString("0.##", CultureInfo.InvariantCulture);
}
