using MellowStand.Core.HouseRules;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Tempo;

/// <summary>The tempo that a passage is practiced up to, by what the piece prints and the house rule <c>goal-tempo</c>.</summary>
/// <remarks>Of a printed range such as 96–108 the upper number where the house goes as fast as clean, else the lower one; a single
/// number or
/// a word leaves no choice. Common practice, no published source.</remarks>
public static class GoalTempo
{
    /// <summary>Quarters per minute at the goal of a measure.</summary>
    /// <param name="tempo">The tempi of the score.</param>
    /// <param name="house">The school's answers.</param>
    /// <param name="measure">The measure from 0.</param>
    public static double QuarterBpmAt(TempoLine tempo, House house, int measure)
    {
        var inForce = tempo.QuarterBpmAt(measure);
        return house["goal-tempo"] == "fast-as-clean" && tempo.MarkAt(measure) is { UpperBpm: { } upper } mark && mark.QuarterBpm == inForce
            ? upper * mark.Unit.Value
            : inForce;
    }
}
