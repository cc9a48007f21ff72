using MellowStand.Core.Technique.Charts;
using MellowStand.Core.Technique.Woodwind;

namespace MellowStand.Core.Technique.Signs;

/// <summary>Usual ways of a woodwind that a teacher pencils in all the same: where a note has several and a reason chose one.</summary>
/// <remarks>At the first such note of a passage, and again where the way of that note changes: thumb B♭, side B♭ in a chromatic run. Common
/// practice, no published source.</remarks>
internal static class OfferedSigns
{
    /// <summary>The solution with those choices marked too.</summary>
    /// <param name="excerpt">The notes.</param>
    /// <param name="solution">The best path.</param>
    /// <param name="chart">The chart, whose own words on a fingering are no reason.</param>
    public static Solution In(Excerpt excerpt, Solution solution, FingeringChart chart)
    {
        var last = new Dictionary<int, string>();
        var choices = new List<Choice>(solution.Choices.Count);
        foreach (var choice in solution.Choices)
        {
            var note = excerpt.Steps[choice.Place].PitchClass;
            var isNew = last.GetValueOrDefault(note) != choice.Way.Code;
            var isReasoned =
                choice.HasOthers
                && choice.Way.Code != KeyPlacement.OneWay
                && choice.Way is { IsUsual: true, Why.Length: > 0 }
                && chart.Find(excerpt.Steps[choice.Place].Key, choice.Way.Code)?.When != choice.Way.Why;
            choices.Add(isNew && isReasoned ? choice with { Marked = true } : choice);
            last[note] = choice.Way.Code;
        }

        return solution with { Choices = choices };
    }
}
