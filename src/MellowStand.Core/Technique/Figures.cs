namespace MellowStand.Core.Technique;

/// <summary>Notes of one pitch that return within one figure: learnt as a figure, they keep one fingering.</summary>
/// <remarks>Common practice, no published source; how near they must stand is ours.</remarks>
internal static class Figures
{
    private const int Near = 3;
    private const int MostRatio = 4;

    /// <summary>Groups of places with the same pitches, with no rest between them and at most so many notes from one to the next.</summary>
    /// <param name="excerpt">The passage.</param>
    public static IEnumerable<IReadOnlyList<int>> Of(Excerpt excerpt)
    {
        var open = new Dictionary<int, List<int>>();
        foreach (var (step, place) in excerpt.Steps.Select((s, i) => (s, i)))
        {
            if (step.Before is null)
            {
                foreach (var group in open.Values.Where(g => g.Count > 1))
                    yield return group;
                open.Clear();
            }

            if (step.Chord is not [var key])
                continue;
            if (open.TryGetValue(key, out var own) && place - own[^1] <= Near && IsAlikeLong(excerpt, own[^1], place))
            {
                own.Add(place);
                continue;
            }

            if (own is { Count: > 1 })
                yield return own;
            open[key] = [place];
        }

        foreach (var group in open.Values.Where(g => g.Count > 1))
            yield return group;
    }

    // A held note after quick ones is no part of their figure.
    private static bool IsAlikeLong(Excerpt excerpt, int a, int b)
    {
        var (first, second) = (excerpt.Beats(a).Value, excerpt.Beats(b).Value);
        return Math.Max(first, second) <= Math.Min(first, second) * MostRatio;
    }
}
