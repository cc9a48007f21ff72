namespace MellowStand.Core.Notation;

/// <summary>Finding a moment in what stands in order of time, without looking at all of it.</summary>
internal static class InOrder
{
    /// <summary>Place of the first at or after a moment; their count when there is none.</summary>
    public static int PlaceFrom<T>(this IReadOnlyList<T> ordered, Func<T, Fraction> at, Fraction moment)
    {
        var (low, high) = (0, ordered.Count);
        while (low < high)
        {
            var middle = (low + high) / 2;
            if (at(ordered[middle]) < moment)
                low = middle + 1;
            else
                high = middle;
        }

        return low;
    }

    /// <summary>Those from a moment to another, both included.</summary>
    public static IEnumerable<T> Between<T>(this IReadOnlyList<T> ordered, Func<T, Fraction> at, Fraction from, Fraction to)
    {
        for (var i = ordered.PlaceFrom(at, from); i < ordered.Count && at(ordered[i]) <= to; i++)
            yield return ordered[i];
    }
}
