namespace MellowStand.Core.Paths;

/// <summary>The cheapest way through layers of candidates, and the cheapest through every one of them.</summary>
/// <remarks>Dynamic programming from both ends (A. Viterbi, "Error bounds for convolutional codes", 1967, with a backward pass), so that
/// the price of each alternative is known too. Exact: checked against exhaustive search in the tests of the stations that use it. Each cost
/// is asked for once.</remarks>
/// <typeparam name="T">A candidate.</typeparam>
public sealed class LeastCostPath<T>
{
    private readonly T[][] _layers;

    // Own costs of each layer, and for each layer but the first the costs of going in: those into the first candidate, then the next.
    private readonly double[][] _own;
    private readonly double[][] _change;
    private readonly double[][] _forward;
    private readonly int[] _places;
    private double[][]? _through;

    /// <summary>Finds the path.</summary>
    /// <param name="layers">The candidates of each place; none of the layers is empty.</param>
    /// <param name="own">The cost of a candidate at its place.</param>
    /// <param name="change">The cost of going into a place from the candidate before it to its own.</param>
    public LeastCostPath(IReadOnlyList<IReadOnlyList<T>> layers, Func<int, T, double> own, Func<int, T, T, double> change)
        : this(Arrays(layers), own, change) { }

    private LeastCostPath(T[][] layers, Func<int, T, double> own, Func<int, T, T, double> change)
        : this(layers, own, Changes(layers, change)) { }

    private LeastCostPath(T[][] layers, Func<int, T, double> own, double[][] change)
    {
        _layers = layers;
        _own = Owns(layers, own);
        _change = change;
        _forward = Forward();
        Cost = layers.Length == 0 ? 0 : _forward[^1].Min();
        _places = Trace();
    }

    /// <summary>The same path problem with other costs of the candidates themselves; what it costs to change stays.</summary>
    /// <param name="layers">The candidates, one for one in the place of those before.</param>
    /// <param name="own">The cost of a candidate at its place.</param>
    public LeastCostPath<T> With(IReadOnlyList<IReadOnlyList<T>> layers, Func<int, T, double> own) => new(Arrays(layers), own, _change);

    /// <summary>Cost of the best path.</summary>
    public double Cost { get; }

    /// <summary>For each layer the place of the candidate taken.</summary>
    public IReadOnlyList<int> Places => _places;

    /// <summary>For each candidate of each layer the cost of the best path through it; worked out when it is asked for.</summary>
    public IReadOnlyList<IReadOnlyList<double>> Through => _through ??= ThroughAll();

    /// <summary>The candidate taken in a layer.</summary>
    public T this[int layer] => _layers[layer][_places[layer]];

    private static T[][] Arrays(IReadOnlyList<IReadOnlyList<T>> layers)
    {
        var all = new T[layers.Count][];
        for (var i = 0; i < all.Length; i++)
            all[i] = layers[i] as T[] ?? [.. layers[i]];
        return all;
    }

    private static double[][] Owns(T[][] layers, Func<int, T, double> own)
    {
        var all = new double[layers.Length][];
        for (var i = 0; i < all.Length; i++)
        {
            var layer = layers[i];
            var costs = all[i] = new double[layer.Length];
            for (var k = 0; k < costs.Length; k++)
                costs[k] = own(i, layer[k]);
        }

        return all;
    }

    private static double[][] Changes(T[][] layers, Func<int, T, T, double> change)
    {
        var all = new double[layers.Length][];
        for (var i = 1; i < all.Length; i++)
        {
            var (from, to) = (layers[i - 1], layers[i]);
            var costs = all[i] = new double[from.Length * to.Length];
            for (int k = 0, at = 0; k < to.Length; k++)
                for (var o = 0; o < from.Length; o++)
                    costs[at++] = change(i, from[o], to[k]);
        }

        return all;
    }

    private double[][] Forward()
    {
        var table = new double[_own.Length][];
        for (var i = 0; i < table.Length; i++)
        {
            var row = table[i] = (double[])_own[i].Clone();
            if (i > 0)
                for (var k = 0; k < row.Length; k++)
                    row[k] += Cheapest(table[i - 1], i, k).Cost;
        }

        return table;
    }

    // What a candidate costs when it is reached from the best of those before it, and which that is: the first of equals.
    private (double Cost, int From) Cheapest(double[] before, int layer, int k)
    {
        var into = _change[layer].AsSpan(k * before.Length, before.Length);
        var (best, from) = (double.MaxValue, 0);
        for (var o = 0; o < into.Length; o++)
        {
            var cost = before[o] + into[o];
            if (cost < best)
                (best, from) = (cost, o);
        }

        return (best, from);
    }

    private int[] Trace()
    {
        var path = new int[_forward.Length];
        if (path.Length == 0)
            return path;
        path[^1] = Array.IndexOf(_forward[^1], Cost);
        for (var i = path.Length - 1; i > 0; i--)
            path[i - 1] = Cheapest(_forward[i - 1], i, path[i]).From;
        return path;
    }

    // Backward from the end: the cost of what follows a candidate, added to what leads to it.
    private double[][] ThroughAll()
    {
        var through = new double[_own.Length][];
        double[] after = [];
        for (var i = through.Length - 1; i >= 0; i--)
        {
            var rest = i + 1 < through.Length ? Rest(i + 1, after, _own[i].Length) : new double[_own[i].Length];
            var row = through[i] = (double[])_forward[i].Clone();
            after = rest;
            for (var k = 0; k < row.Length; k++)
            {
                row[k] += rest[k];
                after[k] += _own[i][k];
            }
        }

        return through;
    }

    // For each candidate before a layer the cheapest way from there to the end.
    private double[] Rest(int layer, double[] after, int before)
    {
        var rest = new double[before];
        Array.Fill(rest, double.MaxValue);
        var change = _change[layer];
        for (int k = 0, at = 0; k < after.Length; k++)
            for (var o = 0; o < before; o++, at++)
                rest[o] = Math.Min(rest[o], after[k] + change[at]);
        return rest;
    }
}
