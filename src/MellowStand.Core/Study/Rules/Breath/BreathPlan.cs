using MellowStand.Core.Notation;
using MellowStand.Core.Reading;

namespace MellowStand.Core.Study.Rules;

/// <summary>Which joints of a phrase serve to breathe: those that part the music most, so that the breaths are alike in length.</summary>
/// <remarks>The least cost over all choices (dynamic programming, Bellman, from memory): a breath costs what its joint lacks, a stretch the
/// more the longer it is, and much beyond what one breath holds. Common practice, no published source.</remarks>
internal static class BreathPlan
{
    private const double Best = 6;
    private const double Even = 4;
    private const double Beyond = 40;
    private const double TooSoon = 3;
    private const double SecondsTooSoon = 2;

    /// <summary>The joints in order; none where one breath holds the phrase or nothing parts it.</summary>
    /// <param name="places">Joints at which one can breathe, in order.</param>
    /// <param name="from">Quarters at which the phrase begins.</param>
    /// <param name="to">Quarters at which it ends.</param>
    /// <param name="secondsOfQuarter">Seconds of a quarter.</param>
    /// <param name="allowance">Seconds that one breath holds.</param>
    public static IReadOnlyList<Joint> Choose(
        IReadOnlyList<Joint> places,
        Fraction from,
        Fraction to,
        double secondsOfQuarter,
        double allowance
    )
    {
        if ((to - from).Value * secondsOfQuarter <= allowance)
            return [];
        Fraction[] ends = [from, .. places.Select(p => p.End), to];
        var (cost, before) = (new double[ends.Length], new int[ends.Length]);
        for (var i = 1; i < ends.Length; i++)
        {
            cost[i] = double.MaxValue;
            for (var k = i - 1; k >= 0; k--)
            {
                var seconds = (ends[i] - ends[k]).Value * secondsOfQuarter;
                if (k < i - 1 && seconds > 2 * allowance)
                    break;
                var all = cost[k] + Stretch(seconds, allowance) + (i < ends.Length - 1 ? Best - Math.Min(Best, places[i - 1].Weight) : 0);
                if (all < cost[i])
                    (cost[i], before[i]) = (all, k);
            }
        }

        var chosen = new List<Joint>();
        for (var i = before[^1]; i > 0; i = before[i])
            chosen.Add(places[i - 1]);
        chosen.Reverse();
        return chosen;
    }

    private static double Stretch(double seconds, double allowance)
    {
        var share = seconds / allowance;
        var cost = Even * share * share;
        if (share > 1)
            cost += Beyond * share;
        return seconds < SecondsTooSoon ? cost + TooSoon : cost;
    }
}
