namespace MellowStand.Core.Technique.Strings;

/// <summary>Two, three or four notes at once: each on its own string, next to each other, in one place of the hand.</summary>
/// <remarks>A stop across two strings with one finger (a fifth) costs; three and four notes are broken by the bow. Common practice, no
/// published source; the weights are ours. What no hand can hold is divided among the stand: then the top note is planned.</remarks>
internal static class DoubleStops
{
    private const int MostWays = 24;

    /// <summary>Ways to hold the keys, the lowest first; empty when they cannot be held.</summary>
    /// <param name="keys">Sounding keys, ascending.</param>
    /// <param name="single">Ways to stop one key.</param>
    public static List<Candidate> Of(IReadOnlyList<int> keys, Func<int, IEnumerable<Candidate>> single)
    {
        if (keys.Count > 4)
            return [];
        var held = single(keys[0]).Select(w => new List<Candidate> { w }).ToList();
        foreach (var key in keys.Skip(1))
        {
            var ways = single(key).ToList();
            held = [.. held.SelectMany(h => ways.Where(w => Fits(h, w)).Select(w => h.Append(w).ToList()))];
        }

        return [.. held.Select(Together).OrderBy(w => w.Cost).DistinctBy(w => w.Code).Take(MostWays)];
    }

    private static bool Fits(List<Candidate> held, Candidate way)
    {
        var (below, own) = (StringState.Of(held[^1]), StringState.Of(way));
        if (own.String != below.String + 1)
            return false;
        if (own.Offset == 0)
            return true;
        return held.Select(StringState.Of)
            .Where(h => h.Offset > 0)
            .All(h => h.Offset == own.Offset && (h.Finger != own.Finger || IsFifth(held[^1], way)));
    }

    // One finger lies across two strings in the same place: the same finger with the same sign.
    private static bool IsFifth(Candidate a, Candidate b) => a.Code[1..] == b.Code[1..];

    private static Candidate Together(List<Candidate> held)
    {
        var stopped = held.Where(h => StringState.Of(h).Offset > 0).ToList();
        var fifths = stopped.Count - stopped.Select(h => StringState.Of(h).Finger).Distinct().Count();
        var cost =
            held.Sum(h => h.Cost)
            - (stopped.Skip(1).Sum(h => Math.Max(0, StringState.Of(h).Offset - 2)) * StringCosts.StaysHigh)
            + StringCosts.DoubleStop
            + (fifths * StringCosts.FifthWithOneFinger);
        return new Candidate(
            string.Join('+', held.Select(h => h.Code)),
            Math.Round(cost, 3),
            held.Count == 2 ? "double stop" : "broken chord",
            (stopped.Count > 0 ? stopped[^1] : held[^1]).State
        );
    }
}
