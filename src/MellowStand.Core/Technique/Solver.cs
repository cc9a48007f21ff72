using MellowStand.Core.Paths;

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
/// <remarks>By <see cref="LeastCostPath{T}"/>, so that the cost of the best path through every alternative is known too. Marks already in the part are fixed points.</remarks>
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
        var path = new LeastCostPath<Candidate>(ways, (_, w) => w.Cost, (i, from, to) => Into(technique, passage, places, i, from, to).Cost);
        var choices = new List<Choice>();
        var costs = new List<double>();
        for (var i = 0; i < places.Count; i++)
        {
            var way = path[i];
            var change = i == 0 ? (Cost: 0.0, Why: null) : Into(technique, passage, places, i, path[i - 1], way);
            costs.Add(Math.Round(way.Cost + change.Cost, 4));
            var others = ways[i].Select((c, k) => (c.Code, Cost: Math.Round(path.Through[i][k], 3))).Where((_, k) => k != path.Places[i]).OrderBy(o => o.Cost).ToList();
            choices.Add(new Choice(places[i], way, !way.IsUsual && ways[i].Count > 1, change.Why ?? way.Why, others));
        }

        return new Solution(Math.Round(path.Cost, 4), choices, costs);
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
}
