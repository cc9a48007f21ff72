using MellowStand.Core.Hear;

namespace MellowStand.Core.Tests.Hear;

/// <summary>The other opinion: a straight line through the clean tempos by least squares (any textbook of statistics).</summary>
public static class StraightLine
{
    /// <summary>The line's tempo on the date, and the spread of single tempos about it.</summary>
    public static (double Tempo, double Spread) At(IReadOnlyList<HeardTempo> entries, DateOnly due)
    {
        var clean = entries.Where(e => e.Clean).ToList();
        var xs = clean.Select(e => (double)e.Day.DayNumber).ToList();
        var (x, y) = (xs.Average(), clean.Average(e => e.QuarterBpm));
        var xx = xs.Sum(v => (v - x) * (v - x));
        var slope = xx == 0 ? 0 : xs.Zip(clean, (v, e) => (v - x) * (e.QuarterBpm - y)).Sum() / xx;
        var left = xs.Zip(clean, (v, e) => Math.Pow(e.QuarterBpm - y - (slope * (v - x)), 2)).Sum();
        var spread = Math.Sqrt(left / Math.Max(1, clean.Count - 2) * (1 + (1.0 / clean.Count) + (Math.Pow(due.DayNumber - x, 2) / xx)));
        return (y + (slope * (due.DayNumber - x)), spread);
    }

    /// <summary>The chance it gives the goal: yes or no by the line alone.</summary>
    public static double Says(SimulatedLearner learner) => At(learner.Entries, learner.Due).Tempo >= learner.Goal ? 1 : 0;

    /// <summary>The chance it gives with a normal spread about the line.</summary>
    public static double SaysWithSpread(SimulatedLearner learner)
    {
        var (tempo, spread) = At(learner.Entries, learner.Due);
        return 1 / (1 + Math.Exp(-1.702 * (tempo - learner.Goal) / Math.Max(spread, 1e-6)));
    }
}
