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

    private static StringPlacement On(Candidate way) => (StringPlacement)way.Placement;

    private static bool Fits(List<Candidate> held, Candidate way)
    {
        var (below, own) = (On(held[^1]), On(way));
        if (own.String != below.String + 1)
            return false;
        if (own.IsOpen)
            return held.Select(On).All(h => h.IsOpen || ReferenceEquals(h.Hand, own.Hand)) || held.All(h => On(h).IsOpen);
        return held.Select(On).All(h => h.IsOpen ? ReferenceEquals(h.Hand, own.Hand) : LieTogether(h, own));
    }

    // In one place of the hand, each with its finger, or one finger across two strings; a hand is not reached back and opened at once.
    private static bool LieTogether(StringPlacement a, StringPlacement b) =>
        ReferenceEquals(a.Hand, b.Hand)
        && a.Node == b.Node
        && (a.Finger != b.Finger || a.Lie == b.Lie)
        && (a.Lie, b.Lie) is not ((Lie.Back, Lie.Forward) or (Lie.Forward, Lie.Back));

    private static Candidate Together(List<Candidate> held)
    {
        var notes = held.ConvertAll(On);
        var stopped = notes.Where(n => !n.IsOpen).ToList();
        var fifths = stopped.Count - stopped.Select(n => n.Finger).Distinct().Count();
        var cost =
            held.Sum(h => h.Cost)
            - (stopped.Skip(1).Sum(n => n.Hand!.Stay))
            + StringCosts.DoubleStop
            + (fifths * StringCosts.FifthWithOneFinger);
        return new Candidate(
            new StringChord(notes),
            Math.Round(cost, 3),
            held.Count == 2 ? "double stop" : "broken chord"
        );
    }
}
