using MellowStand.Core.Technique.Signs;

namespace MellowStand.Core.Technique.Strings;

/// <summary>The place of the hand that a printed finger means: what follows lies under the same hand, to the next rest or the next printed
/// finger.</summary>
/// <remarks>Common practice, no published source.</remarks>
internal static class PrintedHands
{
    /// <summary>For each step of a passage the place that is printed for it; null where none is.</summary>
    /// <param name="excerpt">The passage.</param>
    /// <param name="ways">The ways to stop a step.</param>
    public static IReadOnlyList<HandPlace?> Of(Excerpt excerpt, Func<int, IReadOnlyList<Candidate>> ways)
    {
        var hands = new HandPlace?[excerpt.Steps.Count];
        HandPlace? now = null;
        for (var i = 0; i < hands.Length; i++)
        {
            var (step, all) = (excerpt.Steps[i], ways(i));
            if (step.Before is null)
                now = null;
            if (FixedPoints.Of(all, step.Note) is { } code)
                now = (all.First(w => w.Code == code).Placement as StringPlacement)?.Hand ?? now;
            hands[i] = now;
        }

        return hands;
    }
}
