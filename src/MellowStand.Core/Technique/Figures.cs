namespace MellowStand.Core.Technique;

/// <summary>Notes of one pitch that return within one figure: learnt as a figure, they keep one fingering.</summary>
/// <remarks>Common practice, no published source; how near they must stand is ours.</remarks>
internal static class Figures
{
    private const int Near = 3;
    private const int Far = 8;
    private const int MostRatio = 4;

    /// <summary>Groups of places with the same pitches, with no rest between them and few notes from one to the next.</summary>
    /// <param name="excerpt">The passage.</param>
    public static IEnumerable<IReadOnlyList<int>> Of(Excerpt excerpt)
    {
        var open = new Dictionary<int, List<int>>();
        for (var place = 0; place < excerpt.Steps.Count; place++)
        {
            var step = excerpt[place];
            if (step.Before is null)
            {
                foreach (var group in open.Values.Where(g => g.Count > 1))
                    yield return group;
                open.Clear();
            }

            if (step.Chord is not [var key])
                continue;
            if (open.TryGetValue(key, out var own) && AreOneFigure(excerpt, own[^1], place) && IsAlikeLong(excerpt, own[^1], place))
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

    // Close together, or a little further with the same note before or after it.
    private static bool AreOneFigure(Excerpt excerpt, int a, int b)
    {
        if (b - a <= Near)
            return true;
        bool Same(int by) => b + by < excerpt.Steps.Count && a + by >= 0 && excerpt[a + by].Key == excerpt[b + by].Key;
        return b - a <= Far && (Same(-1) || Same(1));
    }

    // A held note after quick ones is no part of their figure.
    private static bool IsAlikeLong(Excerpt excerpt, int a, int b)
    {
        var (first, second) = (excerpt.Beats(a).Value, excerpt.Beats(b).Value);
        return Math.Max(first, second) <= Math.Min(first, second) * MostRatio;
    }
}
