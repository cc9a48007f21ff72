using MellowStand.Core.Hear;

namespace MellowStand.Core.Auditions;

/// <summary>How the marks of several listeners become one.</summary>
public enum PanelWay
{
    /// <summary>The mean of all.</summary>
    Mean,

    /// <summary>The mean without the highest and the lowest.</summary>
    Trimmed,
}

/// <summary>What one listener gave a candidate.</summary>
/// <param name="Listener">Number of the listener.</param>
/// <param name="Marks">Marks by criterion, 0 to <see cref="TestCriteria.Best"/>.</param>
public sealed record ListenerGrades(int Listener, IReadOnlyDictionary<string, int> Marks);

/// <summary>What a candidate comes to.</summary>
/// <param name="Percent">Percent of what could be had, or null while no listener has given all marks.</param>
/// <param name="Heard">Listeners whose marks are complete.</param>
/// <param name="Dropped">Listeners whose marks were the highest or lowest and do not count.</param>
/// <param name="Means">Mean mark of each criterion of those who count.</param>
/// <param name="Spread">Between the highest and lowest listener, in percent.</param>
public sealed record PanelScore(
    double? Percent,
    int Heard,
    IReadOnlyList<int> Dropped,
    IReadOnlyDictionary<string, double> Means,
    double Spread
);

/// <summary>Brings the marks of several listeners together.</summary>
/// <remarks>Common practice, no published source: the highest and lowest of at least three are left out, so that one ear does not
/// decide.</remarks>
public static class Panels
{
    /// <summary>Fewest listeners with whom a highest and a lowest can be left out.</summary>
    public const int LeastTrimmed = 3;

    /// <summary>The score of a candidate.</summary>
    /// <param name="weights">Criteria with their weights.</param>
    /// <param name="marks">What each listener gave; half-filled sheets do not count yet.</param>
    /// <param name="way">How they are brought together.</param>
    public static PanelScore Of(IReadOnlyList<TestWeight> weights, IEnumerable<ListenerGrades> marks, PanelWay way)
    {
        var whole = marks
            .Select(m => (m.Listener, m.Marks, Percent: TestScore.Percent(weights, m.Marks)))
            .Where(m => m.Percent is not null)
            .OrderBy(m => m.Percent)
            .ThenBy(m => m.Listener)
            .ToList();
        if (whole.Count == 0)
            return new PanelScore(null, 0, [], new Dictionary<string, double>(), 0);
        var trims = way == PanelWay.Trimmed && whole.Count >= LeastTrimmed;
        var counted = trims ? whole.GetRange(1, whole.Count - 2) : whole;
        return new PanelScore(
            Math.Round(counted.Average(m => m.Percent!.Value), 2),
            whole.Count,
            trims ? [whole[0].Listener, whole[^1].Listener] : [],
            weights.ToDictionary(w => w.Name, w => Math.Round(counted.Average(m => m.Marks[w.Name]), 2)),
            Math.Round(whole[^1].Percent!.Value - whole[0].Percent!.Value, 1)
        );
    }

    /// <summary>What is lost by criterion, in percent of all that could be had: the heaviest loss first.</summary>
    /// <param name="weights">Criteria with their weights.</param>
    /// <param name="scores">Scores of those who were heard.</param>
    public static IReadOnlyList<(string Criterion, double Percent)> LostWhere(
        IReadOnlyList<TestWeight> weights,
        IReadOnlyCollection<PanelScore> scores
    )
    {
        var heard = scores.Where(s => s.Percent is not null).ToList();
        var all = weights.Sum(w => w.Weight) * TestCriteria.Best;
        if (heard.Count == 0 || all == 0)
            return [];
        return
        [
            .. weights
                .Select(w => (w.Name, Lost: heard.Average(s => w.Weight * (TestCriteria.Best - s.Means[w.Name])) * 100 / all))
                .OrderByDescending(l => l.Lost)
                .Select(l => (l.Name, Math.Round(l.Lost, 1))),
        ];
    }
}
