namespace MellowStand.Core.Hear;

/// <summary>What was heard of one player in one passage.</summary>
/// <param name="Entries">Tempos in any order.</param>
/// <param name="Goal">The goal in quarters a minute.</param>
/// <param name="Due">The date.</param>
public sealed record LearnerHistory(IReadOnlyCollection<HeardTempo> Entries, double Goal, DateOnly Due);

/// <summary>How common each kind of learner is: ours at first, then nearer to what a section and earlier passages have shown.</summary>
/// <remarks>One step of empirical Bayes: the kinds' shares are averaged over all who were heard, our own shares standing in for a few
/// learners (Morris, "Parametric empirical Bayes inference", JASA 78, 1983, cited from memory).</remarks>
public sealed class LearnerPrior
{
    private const double StandsFor = 6;

    internal LearnerPrior(IReadOnlyList<double> weights) => Weights = weights;

    /// <summary>The kinds as we think them spread before anything was heard.</summary>
    public static LearnerPrior Usual { get; } = new([.. LearnerKind.All.Select(k => k.Weight)]);

    internal IReadOnlyList<double> Weights { get; }

    /// <summary>The kinds as the players heard so far show them.</summary>
    /// <param name="heard">Histories; those too short to tell anything are left out.</param>
    public static LearnerPrior Learn(IEnumerable<LearnerHistory> heard)
    {
        var sums = Usual.Weights.Select(w => w * StandsFor).ToArray();
        foreach (var history in heard.Where(h => Forecaster.CanTell(h.Entries)))
        {
            var own = LearnerMixture.Of(history.Entries, history.Goal, history.Due, Usual).Weights;
            for (var i = 0; i < sums.Length; i++)
                sums[i] += own[i];
        }

        var total = sums.Sum();
        return new LearnerPrior([.. sums.Select(s => s / total)]);
    }
}
