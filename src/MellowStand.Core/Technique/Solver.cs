namespace MellowStand.Core.Technique;

/// <summary>A choice of the best path.</summary>
/// <param name="Place">Its place in the passage from 0.</param>
/// <param name="Way">The way taken.</param>
/// <param name="Marked">True when a player would not take it by default, so that it is written in.</param>
/// <param name="Why">The reason.</param>
/// <param name="Alternatives">The other ways with the cost of the whole path through each.</param>
public sealed record Choice(int Place, Candidate Way, bool Marked, string Why, IReadOnlyList<(string Code, double Cost)> Alternatives);

/// <summary>The best path over a passage.</summary>
/// <param name="Cost">Its cost.</param>
/// <param name="Choices">One a note; notes that the chart does not hold are left out.</param>
/// <param name="StepCosts">What each note adds: its own cost and the change into it.</param>
public sealed record Solution(double Cost, IReadOnlyList<Choice> Choices, IReadOnlyList<double> StepCosts);

/// <summary>Finds the cheapest way through a passage: never note by note.</summary>
/// <remarks>Dynamic programming from both ends (Viterbi, forward and backward), so that the cost of the best path through every alternative is known too. Marks already in
/// the part are fixed points.</remarks>
public static class Solver
{
    /// <summary>Solves a passage.</summary>
    /// <param name="technique">The instrument.</param>
    /// <param name="passage">The notes.</param>
    /// <param name="isFixed">The code that must be taken at a place, or null where the engine is free.</param>
    public static Solution Solve(ITechnique technique, Passage passage, Func<int, string?>? isFixed = null)
    {
        var places = Enumerable.Range(0, passage.Steps.Count).Where(i => technique.Ways(passage, i).Count > 0).ToList();
        if (places.Count == 0) return new Solution(0, [], []);
        var ways = places.Select(i => Allowed(technique.Ways(passage, i), isFixed?.Invoke(i))).ToList();
        var forward = Pass(technique, passage, places, ways, forwards: true);
        var backward = Pass(technique, passage, places, ways, forwards: false);
        var through = ways.Select((w, i) => w.Select((c, k) => forward[i][k] + backward[i][k] - c.Cost).ToArray()).ToList();
        var path = Path(technique, passage, places, ways, forward);
        var choices = new List<Choice>();
        var costs = new List<double>();
        for (var i = 0; i < places.Count; i++)
        {
            var way = ways[i][path[i]];
            var change = i == 0 ? (Cost: 0.0, Why: null) : Into(technique, passage, places, i, ways[i - 1][path[i - 1]], way);
            costs.Add(Math.Round(way.Cost + change.Cost, 4));
            var others = ways[i].Select((c, k) => (c.Code, Cost: Math.Round(through[i][k], 3))).Where((_, k) => k != path[i]).OrderBy(o => o.Cost).ToList();
            choices.Add(new Choice(places[i], way, !way.IsUsual && ways[i].Count > 1, change.Why ?? way.Why, others));
        }

        return new Solution(Math.Round(through[0].Min(), 4), choices, costs);
    }

    private static List<Candidate> Allowed(IReadOnlyList<Candidate> ways, string? code)
    {
        var chosen = code is null ? [] : ways.Where(w => w.Code == code).ToList();
        return chosen.Count > 0 ? chosen : [.. ways];
    }

    // A rest leaves the hand time: a quarter of the cost. A note that the chart does not hold breaks the path.
    private static (double Cost, string? Why) Into(ITechnique technique, Passage passage, List<int> places, int i, Candidate from, Candidate to)
    {
        if (places[i] != places[i - 1] + 1) return (0, null);
        var (cost, why) = technique.Change(passage, places[i], from, to);
        return passage.Steps[places[i]].Before is null ? (cost * 0.25, null) : (cost, why);
    }

    private static List<double[]> Pass(ITechnique technique, Passage passage, List<int> places, List<List<Candidate>> ways, bool forwards)
    {
        var table = ways.Select(w => w.Select(c => c.Cost).ToArray()).ToList();
        for (var step = 1; step < places.Count; step++)
        {
            var i = forwards ? step : places.Count - 1 - step;
            var other = forwards ? i - 1 : i + 1;
            for (var k = 0; k < ways[i].Count; k++)
            {
                var best = double.MaxValue;
                for (var o = 0; o < ways[other].Count; o++)
                {
                    var change = forwards ? Into(technique, passage, places, i, ways[other][o], ways[i][k]).Cost : Into(technique, passage, places, other, ways[i][k], ways[other][o]).Cost;
                    best = Math.Min(best, table[other][o] + change);
                }

                table[i][k] = ways[i][k].Cost + best;
            }
        }

        return table;
    }

    private static int[] Path(ITechnique technique, Passage passage, List<int> places, List<List<Candidate>> ways, List<double[]> forward)
    {
        var path = new int[places.Count];
        path[^1] = Array.IndexOf(forward[^1], forward[^1].Min());
        for (var i = places.Count - 1; i > 0; i--)
        {
            var to = ways[i][path[i]];
            var costs = ways[i - 1].Select((w, k) => forward[i - 1][k] + Into(technique, passage, places, i, w, to).Cost).ToArray();
            path[i - 1] = Array.IndexOf(costs, costs.Min());
        }

        return path;
    }
}
