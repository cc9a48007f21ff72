namespace MellowStand.Core.Hear;

/// <summary>What is believed of one learner: every kind with its weight after all that was heard.</summary>
internal sealed class LearnerMixture
{
    /// <summary>Nearer than this to the goal, a clean tempo tells only that the goal was met: nobody asks for more.</summary>
    private const double AtGoal = 0.005;
    private const double Above = 0.02;

    // A failed try is a coarser measure than a clean one.
    private const double LeastNoiseOfFailing = 0.03;
    private const double Ignored = 1e-5;

    private readonly int _first;
    private readonly double _stretch;
    private readonly (LearnerKind Kind, TempoBelief Belief, double Weight)[] _kinds;

    private LearnerMixture(int first, double stretch, double[] weights, (LearnerKind, TempoBelief, double)[] kinds) =>
        (_first, _stretch, Weights, _kinds) = (first, stretch, weights, kinds);

    /// <summary>The weight of each kind, in the order of <see cref="LearnerKind.All"/>.</summary>
    public double[] Weights { get; }

    /// <summary>Takes in what was heard, in the order of the days.</summary>
    public static LearnerMixture Of(IReadOnlyCollection<HeardTempo> entries, double goal, DateOnly due, LearnerPrior prior)
    {
        var sorted = entries.OrderBy(e => e.Day).ToList();
        var first = sorted[0].Day.DayNumber;
        var stretch = Math.Max(1, Math.Max(due.DayNumber, sorted[^1].Day.DayNumber) - first);
        var heard = sorted.Select(e => (Share: (e.Day.DayNumber - first) / (double)stretch, Tempo: e.QuarterBpm / goal, e.Clean)).ToList();
        var all = LearnerKind.All;
        var beliefs = new TempoBelief[all.Count];
        var weights = new double[all.Count];
        for (var i = 0; i < all.Count; i++)
        {
            (beliefs[i], weights[i]) = (LearnerKind.Fresh(heard[^1].Share), prior.Weights[i]);
            foreach (var (share, tempo, clean) in heard)
            {
                var (after, likelihood) = Take(all[i], beliefs[i], share, tempo, clean);
                (beliefs[i], weights[i]) = (after, weights[i] * likelihood);
            }
        }

        var total = weights.Sum();
        for (var i = 0; i < weights.Length; i++)
            weights[i] = total > 0 ? weights[i] / total : prior.Weights[i];
        var most = weights.Max();
        return new LearnerMixture(
            first,
            stretch,
            weights,
            [.. Enumerable.Range(0, all.Count).Where(i => weights[i] > most * Ignored).Select(i => (all[i], beliefs[i], weights[i]))]
        );
    }

    /// <summary>What is expected of a day.</summary>
    public ExpectedTempo On(DateOnly day)
    {
        var share = Math.Max(0, day.DayNumber - _first) / _stretch;
        return new ExpectedTempo([
            .. _kinds.Select(k =>
                (k.Weight, Mean: k.Belief.Mean(k.Kind.Left(share)), Variance: k.Belief.Variance(k.Kind.Left(share)), k.Kind.Noise)
            ),
        ]);
    }

    private static (TempoBelief After, double Likelihood) Take(LearnerKind kind, TempoBelief belief, double share, double tempo, bool clean)
    {
        var left = kind.Left(share);
        if (!clean)
            return belief.Beside(left, tempo, Math.Max(kind.Noise, LeastNoiseOfFailing), above: false);
        return tempo is >= 1 - AtGoal and <= 1 + Above
            ? belief.Beside(left, tempo, kind.Noise, above: true)
            : belief.Heard(left, tempo, kind.Noise);
    }
}
