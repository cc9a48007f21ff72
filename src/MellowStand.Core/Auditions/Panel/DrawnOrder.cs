namespace MellowStand.Core.Auditions;

/// <summary>An order drawn by a seed that is kept, so that anybody can draw it again.</summary>
/// <remarks>Shuffle of Fisher and Yates with numbers of SplitMix64 (Steele, Lea, Flood: "Fast splittable pseudorandom number generators",
/// 2014): the same on every machine and in every version.</remarks>
public static class DrawnOrder
{
    /// <summary>The candidates in the order in which they play; the number that listeners hear is the place from 1.</summary>
    /// <param name="seed">The seed.</param>
    /// <param name="candidates">Numbers of the candidates, each once; their own order does not matter.</param>
    public static IReadOnlyList<long> Of(long seed, IEnumerable<long> candidates)
    {
        var drawn = candidates.Order().ToArray();
        var state = unchecked((ulong)seed);
        for (var last = drawn.Length - 1; last > 0; last--)
        {
            var other = (int)Below(ref state, (ulong)(last + 1));
            (drawn[last], drawn[other]) = (drawn[other], drawn[last]);
        }

        return drawn;
    }

    /// <summary>The next number of a state.</summary>
    public static ulong Next(ref ulong state)
    {
        unchecked
        {
            state += 0x9E3779B97F4A7C15;
            var z = state;
            z = (z ^ (z >> 30)) * 0xBF58476D1CE4E5B9;
            z = (z ^ (z >> 27)) * 0x94D049BB133111EB;
            return z ^ (z >> 31);
        }
    }

    // What would favour small numbers is thrown away.
    private static ulong Below(ref ulong state, ulong bound)
    {
        var limit = ulong.MaxValue - (ulong.MaxValue % bound);
        ulong drawn;
        do drawn = Next(ref state);
        while (drawn >= limit);
        return drawn % bound;
    }
}
