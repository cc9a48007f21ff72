using MellowStand.Core.Notation;
using MellowStand.Core.Study;

namespace MellowStand.Core.Assign;

/// <summary>The lines of a passage, learnt one after the other and joined before the next is begun: 1, 2, 1 + 2, 3, 1 + 2 + 3.</summary>
/// <remarks>Common practice, no published source: two lines learnt apart are joined before a third is begun. How they are spread over a
/// ladder is ours: evenly, the last step is the whole.</remarks>
public static class JoinedLines
{
    private const int LongestLine = 4;

    /// <summary>What is practiced at each step: stretches in order; the whole passage where it is one line.</summary>
    /// <param name="context">The prepared score.</param>
    /// <param name="place">The passage.</param>
    /// <param name="steps">How many steps there are.</param>
    public static IReadOnlyList<IReadOnlyList<MeasureRange>> Of(StudyContext context, Address place, int steps)
    {
        var whole = new MeasureRange(place.From.Index, place.To.Index);
        var order = Order(Lines(context, place, whole));
        return [.. Enumerable.Range(0, steps).Select(i => i == steps - 1 ? [whole] : Share(order, i, steps - 1))];
    }

    /// <summary>The order for a number of lines.</summary>
    /// <param name="lines">The lines in order.</param>
    public static IReadOnlyList<MeasureRange> Order(IReadOnlyList<MeasureRange> lines) =>
        [.. lines.SelectMany((l, i) => i == 0 ? [l] : new[] { l, new MeasureRange(lines[0].From, l.To) })];

    private static IReadOnlyList<MeasureRange> Lines(StudyContext context, Address place, MeasureRange whole)
    {
        var parts = context.Score.Parts.Where(p => place.Parts.Contains(p.Id)).ToList();
        return CutRanges.Of(whole, LongestLine, _ => 0, new CutPlaces(context, parts).At);
    }

    // At least one at each step; where there are more steps than stretches, some are practiced at two steps.
    private static IReadOnlyList<MeasureRange> Share(IReadOnlyList<MeasureRange> order, int step, int steps)
    {
        var (from, to) = (step * order.Count / steps, (step + 1) * order.Count / steps);
        return [.. order.Skip(from).Take(Math.Max(1, to - from))];
    }
}
