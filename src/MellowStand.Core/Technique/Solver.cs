using MellowStand.Core.Paths;

namespace MellowStand.Core.Technique;

/// <summary>A choice of the best path.</summary>
/// <param name="Place">Its place in the passage from 0.</param>
/// <param name="Way">The way taken.</param>
/// <param name="Marked">True when a player would not take it by default, so that it is written in.</param>
/// <param name="Why">The reason.</param>
/// <param name="Others">The other ways, told when they are asked for.</param>
public sealed record Choice(int Place, Candidate Way, bool Marked, string Why, Lazy<IReadOnlyList<OtherWay>> Others)
{
    /// <summary>The other ways with the cost of the whole path through each, and what is awkward about it, the cheapest first.</summary>
    public IReadOnlyList<OtherWay> Alternatives => Others.Value;

    /// <summary>True where there is another way than this one.</summary>
    public bool HasOthers { get; init; }

    /// <summary>What makes the change into it awkward; null where nothing does.</summary>
    public Obstacle? Awkward { get; init; }

    /// <summary>What kind of awkwardness that is.</summary>
    public ObstacleKind Obstacle => Awkward?.Kind ?? ObstacleKind.Other;

    /// <summary>What it costs that cannot be helped: the change into it, and what its way costs above the easiest way of the
    /// note.</summary>
    public double Effort { get; init; }
}

/// <summary>Another way to play a note.</summary>
/// <param name="Placement">How it lies in the hands.</param>
/// <param name="Cost">The cost of the whole path through it.</param>
/// <param name="Why">What is awkward about it; may be empty.</param>
public sealed record OtherWay(Placement Placement, double Cost, string Why)
{
    /// <summary>The code of the HTTP interface.</summary>
    public string Code => Placement.Code;
}

/// <summary>The best path over a passage.</summary>
/// <param name="Cost">Its cost.</param>
/// <param name="Choices">One a note; notes that the chart does not hold are left out.</param>
/// <param name="StepCosts">What each note adds: its own cost and the change into it.</param>
public sealed record Solution(double Cost, IReadOnlyList<Choice> Choices, IReadOnlyList<double> StepCosts);

/// <summary>Finds the cheapest way through a passage: never note by note.</summary>
/// <remarks>By <see cref="LeastCostPath{T}"/>, so that the cost of the best path through every alternative is known too. Marks already in
/// the part are fixed points.</remarks>
public static class Solver
{
    /// <summary>Solves a passage.</summary>
    /// <param name="technique">The instrument.</param>
    /// <param name="excerpt">The notes.</param>
    /// <param name="isFixed">The code that must be taken at a place of some ways, or null where the engine is free.</param>
    public static Solution Solve(ITechnique technique, Excerpt excerpt, Func<int, IReadOnlyList<Candidate>, string?>? isFixed = null) =>
        HandPath.Of(technique, excerpt, isFixed) is { } path ? Told(technique, excerpt, path) : new Solution(0, [], []);

    /// <summary>A path in words.</summary>
    internal static Solution Told(ITechnique technique, Excerpt excerpt, HandPath found)
    {
        var (places, ways, path) = (found.Places, found.Ways, found.Path);
        var choices = new List<Choice>();
        var costs = new List<double>();
        for (var place = 0; place < places.Count; place++)
        {
            var i = place;
            var way = path[i];
            var isChosen = IsChosen(ways[i]);
            var joined = i > 0 && places[i] == places[i - 1] + 1;
            costs.Add(Math.Round(way.Cost + (i == 0 ? 0 : found.Into(i, path[i - 1], way)), 4));
            var why = joined && excerpt[places[i]].Before is not null ? technique.Reason(excerpt, places[i], path[i - 1], way) : null;
            choices.Add(
                new Choice(
                    places[i],
                    way,
                    isChosen && technique.IsTold(joined ? path[i - 1] : null, way),
                    why?.Words ?? way.Why,
                    new(() =>
                        Others(ways[i], path.Through[i], path.Places[i], w => Awkward(technique, excerpt, places, path, i, joined, w))
                    )
                )
                {
                    HasOthers = isChosen,
                    Awkward = why,
                    Effort = costs[^1] - Cheapest(ways[i]),
                }
            );
        }

        return new Solution(Math.Round(path.Cost, 4), choices, costs);
    }

    // The other ways with the cost of the whole path through each, the cheapest first; what differs in the hand's place only is one.
    private static List<OtherWay> Others(
        IReadOnlyList<Candidate> ways,
        IReadOnlyList<double> through,
        int taken,
        Func<Candidate, string> awkward
    )
    {
        var others = new List<OtherWay>(ways.Count - 1);
        foreach (var k in ByCost(through))
            if (k != taken && ways[k].Code != ways[taken].Code && !others.Exists(o => o.Code == ways[k].Code))
                others.Add(new OtherWay(ways[k].Placement, Math.Round(through[k], 3), awkward(ways[k])));
        return others;
    }

    private static int[] ByCost(IReadOnlyList<double> through)
    {
        var places = new int[through.Count];
        for (var k = 0; k < places.Length; k++)
            places[k] = k;
        Array.Sort(places, (a, b) => through[a] == through[b] ? a - b : through[a].CompareTo(through[b]));
        return places;
    }

    // What speaks against another way: the change into it, or out of it into what follows.
    private static string Awkward(
        ITechnique technique,
        Excerpt excerpt,
        IReadOnlyList<int> places,
        LeastCostPath<Candidate> path,
        int i,
        bool joined,
        Candidate way
    )
    {
        var into = joined && excerpt[places[i]].Before is not null ? technique.Reason(excerpt, places[i], path[i - 1], way) : null;
        if (into is not null)
            return into.Words;
        var next = i + 1 < places.Count && places[i + 1] == places[i] + 1 && excerpt[places[i + 1]].Before is not null;
        if (!next)
            return "";
        var own = technique.Reason(excerpt, places[i + 1], path[i], path[i + 1])?.Words;
        var words = technique.Reason(excerpt, places[i + 1], way, path[i + 1])?.Words;
        return words is null || words == own ? "" : words;
    }

    private static double Cheapest(IReadOnlyList<Candidate> ways)
    {
        var least = ways[0].Cost;
        for (var k = 1; k < ways.Count; k++)
            least = Math.Min(least, ways[k].Cost);
        return least;
    }

    private static bool IsChosen(IReadOnlyList<Candidate> ways)
    {
        for (var k = 1; k < ways.Count; k++)
            if (ways[k].Code != ways[0].Code)
                return true;
        return false;
    }
}
