namespace MellowStand.Core.Paths;

/// <summary>The cheapest way through layers of candidates, and the cheapest through every one of them.</summary>
/// <remarks>Dynamic programming from both ends (A. Viterbi, "Error bounds for convolutional codes", 1967, with a backward pass), so that
/// the price of each alternative is known too. Exact: checked against exhaustive search in the tests of the stations that use it. Each cost
/// is asked for once.</remarks>
/// <typeparam name="T">A candidate.</typeparam>
public sealed class LeastCostPath<T>
{
    private readonly IReadOnlyList<IReadOnlyList<T>> _layers;

    // Own costs of each layer, and for each layer but the first the costs of going in: [to][from].
    private readonly double[][] _own;
    private readonly double[][][] _change;

    /// <summary>Finds the path.</summary>
    /// <param name="layers">The candidates of each place; none of the layers is empty.</param>
    /// <param name="own">The cost of a candidate at its place.</param>
    /// <param name="change">The cost of going into a place from the candidate before it to its own.</param>
    public LeastCostPath(IReadOnlyList<IReadOnlyList<T>> layers, Func<int, T, double> own, Func<int, T, T, double> change)
        : this(
            layers,
            own,
            [
                .. layers.Select((l, i) =>
                    i == 0 ? [] : l.Select(to => layers[i - 1].Select(from => change(i, from, to)).ToArray()).ToArray()
                ),
            ]
        )
    { }

    private LeastCostPath(IReadOnlyList<IReadOnlyList<T>> layers, Func<int, T, double> own, double[][][] change)
    {
        _layers = layers;
        _own = [.. layers.Select((l, i) => l.Select(c => own(i, c)).ToArray())];
        _change = change;
        var forward = Forward();
        var backward = Backward();
        Through = [.. forward.Select((row, i) => (IReadOnlyList<double>)[.. row.Select((cost, k) => cost + backward[i][k] - _own[i][k])])];
        Places = Trace(forward);
        Cost = layers.Count == 0 ? 0 : forward[^1].Min();
    }

    /// <summary>The same path problem with other costs of the candidates themselves; what it costs to change stays.</summary>
    /// <param name="layers">The candidates, one for one in the place of those before.</param>
    /// <param name="own">The cost of a candidate at its place.</param>
    public LeastCostPath<T> With(IReadOnlyList<IReadOnlyList<T>> layers, Func<int, T, double> own) => new(layers, own, _change);

    /// <summary>Cost of the best path.</summary>
    public double Cost { get; }

    /// <summary>For each layer the place of the candidate taken.</summary>
    public IReadOnlyList<int> Places { get; }

    /// <summary>For each candidate of each layer the cost of the best path through it.</summary>
    public IReadOnlyList<IReadOnlyList<double>> Through { get; }

    /// <summary>The candidate taken in a layer.</summary>
    public T this[int layer] => _layers[layer][Places[layer]];

    private double[][] Forward()
    {
        var table = Copy();
        for (var i = 1; i < table.Length; i++)
        {
            for (var k = 0; k < table[i].Length; k++)
            {
                var best = double.MaxValue;
                for (var o = 0; o < table[i - 1].Length; o++)
                    best = Math.Min(best, table[i - 1][o] + _change[i][k][o]);
                table[i][k] += best;
            }
        }

        return table;
    }

    private double[][] Backward()
    {
        var table = Copy();
        for (var i = table.Length - 2; i >= 0; i--)
        {
            for (var k = 0; k < table[i].Length; k++)
            {
                var best = double.MaxValue;
                for (var o = 0; o < table[i + 1].Length; o++)
                    best = Math.Min(best, table[i + 1][o] + _change[i + 1][o][k]);
                table[i][k] += best;
            }
        }

        return table;
    }

    private int[] Trace(double[][] forward)
    {
        var path = new int[_layers.Count];
        if (path.Length == 0)
            return path;
        path[^1] = Array.IndexOf(forward[^1], forward[^1].Min());
        for (var i = path.Length - 1; i > 0; i--)
        {
            var costs = forward[i - 1].Select((cost, o) => cost + _change[i][path[i]][o]).ToArray();
            path[i - 1] = Array.IndexOf(costs, costs.Min());
        }

        return path;
    }

    private double[][] Copy() => [.. _own.Select(row => (double[])row.Clone())];
}
