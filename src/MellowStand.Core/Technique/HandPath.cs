using MellowStand.Core.Paths;

namespace MellowStand.Core.Technique;

/// <summary>The cheapest path of a hand over the notes of a passage that it can play.</summary>
internal sealed class HandPath
{
    private readonly ITechnique _technique;
    private readonly Excerpt _excerpt;
    private readonly int[] _places;

    private HandPath(ITechnique technique, Excerpt excerpt, int[] places, IReadOnlyList<IReadOnlyList<Candidate>> ways)
    {
        (_technique, _excerpt, _places, Ways) = (technique, excerpt, places, ways);
        Path = new LeastCostPath<Candidate>(ways, (_, w) => w.Cost, Into);
    }

    private HandPath(HandPath before, IReadOnlyList<IReadOnlyList<Candidate>> ways)
    {
        (_technique, _excerpt, _places, Ways) = (before._technique, before._excerpt, before._places, ways);
        Path = before.Path.With(ways, (_, w) => w.Cost);
    }

    /// <summary>Places of the notes that can be played.</summary>
    public IReadOnlyList<int> Places => _places;

    /// <summary>The ways of each.</summary>
    public IReadOnlyList<IReadOnlyList<Candidate>> Ways { get; }

    /// <summary>The path over them.</summary>
    public LeastCostPath<Candidate> Path { get; }

    /// <summary>Finds the path; null where nothing can be played.</summary>
    /// <param name="technique">The instrument.</param>
    /// <param name="excerpt">The notes.</param>
    /// <param name="isFixed">The code that must be taken at a place of some ways, or null where the engine is free.</param>
    public static HandPath? Of(ITechnique technique, Excerpt excerpt, Func<int, IReadOnlyList<Candidate>, string?>? isFixed)
    {
        var places = new List<int>(excerpt.Steps.Count);
        var ways = new List<IReadOnlyList<Candidate>>(excerpt.Steps.Count);
        for (var place = 0; place < excerpt.Steps.Count; place++)
        {
            if (technique.Ways(excerpt, place) is not { Count: > 0 } own)
                continue;
            places.Add(place);
            ways.Add(Allowed(own, isFixed?.Invoke(place, own)));
        }

        return places.Count == 0 ? null : new HandPath(technique, excerpt, [.. places], ways);
    }

    /// <summary>The path when some ways cost otherwise.</summary>
    /// <param name="priced">The ways of a place with their costs, in the same order.</param>
    public HandPath With(Func<int, IReadOnlyList<Candidate>, IReadOnlyList<Candidate>> priced) =>
        new(this, [.. Ways.Select((w, i) => priced(_places[i], w))]);

    /// <summary>What it costs to go into a note of the path. A rest leaves the hand time: a quarter of the cost. A note that the chart does
    /// not hold breaks the path.</summary>
    public double Into(int i, Candidate from, Candidate to)
    {
        var place = _places[i];
        if (place != _places[i - 1] + 1)
            return 0;
        var cost = _technique.Change(_excerpt, place, from, to);
        return _excerpt[place].Before is null ? cost * 0.25 : cost;
    }

    private static IReadOnlyList<Candidate> Allowed(IReadOnlyList<Candidate> ways, string? code)
    {
        var chosen = code is null ? [] : ways.Where(w => w.Code == code).ToList();
        return chosen.Count > 0 ? chosen : ways;
    }
}
