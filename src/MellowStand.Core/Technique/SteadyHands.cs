namespace MellowStand.Core.Technique;

/// <summary>The best path of a passage in which a note that returns within a figure keeps its fingering, unless changing it saves
/// much.</summary>
/// <remarks>Common practice, no published source; the weight is ours.</remarks>
internal static class SteadyHands
{
    private const double Changes = 0.8;

    /// <summary>Solves a passage.</summary>
    /// <param name="technique">The instrument.</param>
    /// <param name="excerpt">The notes.</param>
    /// <param name="isFixed">The code that must be taken at a place of some ways, or null where the engine is free.</param>
    public static Solution Solve(ITechnique technique, Excerpt excerpt, Func<int, IReadOnlyList<Candidate>, string?> isFixed)
    {
        if (HandPath.Of(technique, excerpt, isFixed) is not { } free)
            return new Solution(0, [], []);
        var codes = technique.KeepsFigures ? Codes(excerpt, free) : [];
        var steady = codes.Count == 0 ? free : free.With((place, ways) => Priced(ways, codes.GetValueOrDefault(place)));
        return Solver.Told(technique, excerpt, steady);
    }

    private static IReadOnlyList<Candidate> Priced(IReadOnlyList<Candidate> ways, string? code)
    {
        if (code is null || !Has(ways, code))
            return ways;
        var priced = new Candidate[ways.Count];
        for (var k = 0; k < priced.Length; k++)
            priced[k] = ways[k].Code == code ? ways[k] : ways[k] with { Cost = ways[k].Cost + Changes };
        return priced;
    }

    private static bool Has(IReadOnlyList<Candidate> ways, string code)
    {
        for (var k = 0; k < ways.Count; k++)
            if (ways[k].Code == code)
                return true;
        return false;
    }

    // For each place of a figure that has more than one fingering now the one that serves all of it best.
    private static Dictionary<int, string> Codes(Excerpt excerpt, HandPath free)
    {
        var at = free.Places.Select((p, i) => (p, i)).ToDictionary(x => x.p, x => x.i);
        var codes = new Dictionary<int, string>();
        foreach (var figure in Figures.Of(excerpt))
        {
            var own = figure.Where(at.ContainsKey).Select(p => at[p]).ToList();
            var used = own.Select(i => free.Path[i].Code).Distinct().ToList();
            if (used.Count < 2 || own.Any(i => free.Path[i].IsOfTheMoment))
                continue;
            var best = used.MinBy(code => own.Sum(i => Through(free, i, code)))!;
            foreach (var i in own)
                codes[free.Places[i]] = best;
        }

        return codes;
    }

    // What the whole passage costs through a fingering of a note.
    private static double Through(HandPath path, int i, string code)
    {
        var ways = path.Ways[i];
        var best = path.Path.Cost + Changes;
        for (var k = 0; k < ways.Count; k++)
            if (ways[k].Code == code)
                best = Math.Min(best, path.Path.Through[i][k]);
        return best;
    }
}
