namespace MellowStand.Core.Paths;

/// <summary>The cheapest way through layers of candidates, and the cheapest through every one of them.</summary>
/// <remarks>Dynamic programming from both ends (A. Viterbi, "Error bounds for convolutional codes", 1967, with a backward pass), so that the price of each alternative is known
/// too. Exact: checked against exhaustive search in the tests of the stations that use it.</remarks>
/// <typeparam name="T">A candidate.</typeparam>
public sealed class LeastCostPath<T>
{
    private readonly IReadOnlyList<IReadOnlyList<T>> _layers;
    private readonly Func<int, T, double> _own;
    private readonly Func<int, T, T, double> _change;

    /// <summary>Finds the path.</summary>
    /// <param name="layers">The candidates of each place; none of the layers is empty.</param>
    /// <param name="own">The cost of a candidate at its place.</param>
    /// <param name="change">The cost of going into a place from the candidate before it to its own.</param>
    public LeastCostPath(IReadOnlyList<IReadOnlyList<T>> layers, Func<int, T, double> own, Func<int, T, T, double> change)
    {
        (_layers, _own, _change) = (layers, own, change);
        var forward = Pass(forwards: true);
        var backward = Pass(forwards: false);
        Through = [.. layers.Select((l, i) => (IReadOnlyList<double>)[.. l.Select((c, k) => forward[i][k] + backward[i][k] - own(i, c))])];
        Places = Trace(forward);
        Cost = layers.Count == 0 ? 0 : forward[^1].Min();
    }

    /// <summary>Cost of the best path.</summary>
    public double Cost { get; }

    /// <summary>For each layer the place of the candidate taken.</summary>
    public IReadOnlyList<int> Places { get; }

    /// <summary>For each candidate of each layer the cost of the best path through it.</summary>
    public IReadOnlyList<IReadOnlyList<double>> Through { get; }

    /// <summary>The candidate taken in a layer.</summary>
    public T this[int layer] => _layers[layer][Places[layer]];

    private List<double[]> Pass(bool forwards)
    {
        var table = _layers.Select((l, i) => l.Select(c => _own(i, c)).ToArray()).ToList();
        for (var step = 1; step < _layers.Count; step++)
        {
            var i = forwards ? step : _layers.Count - 1 - step;
            var other = forwards ? i - 1 : i + 1;
            for (var k = 0; k < _layers[i].Count; k++)
            {
                var best = double.MaxValue;
                for (var o = 0; o < _layers[other].Count; o++)
                {
                    var change = forwards ? _change(i, _layers[other][o], _layers[i][k]) : _change(other, _layers[i][k], _layers[other][o]);
                    best = Math.Min(best, table[other][o] + change);
                }

                table[i][k] += best;
            }
        }

        return table;
    }

    private int[] Trace(List<double[]> forward)
    {
        var path = new int[_layers.Count];
        if (path.Length == 0) return path;
        path[^1] = Array.IndexOf(forward[^1], forward[^1].Min());
        for (var i = path.Length - 1; i > 0; i--)
        {
            var to = _layers[i][path[i]];
            var costs = _layers[i - 1].Select((from, k) => forward[i - 1][k] + _change(i, from, to)).ToArray();
            path[i - 1] = Array.IndexOf(costs, costs.Min());
        }

        return path;
    }
}
