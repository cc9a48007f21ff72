using MellowStand.Core.Paths;

namespace MellowStand.Core.Tests.Paths;

/// <summary>The least-cost path against every path there is.</summary>
public sealed class LeastCostPathTests
{
    [Fact]
    public void Nothing_costs_nothing()
    {
        var path = new LeastCostPath<int>([], (_, _) => 1, (_, _, _) => 1);
        Assert.Equal(0, path.Cost);
        Assert.Empty(path.Places);
    }

    [Fact]
    public void One_layer_takes_the_cheapest()
    {
        var path = new LeastCostPath<int>(
            [
                [5, 2, 9],
            ],
            (_, c) => c,
            (_, _, _) => throw new InvalidOperationException("there is no change")
        );
        Assert.Equal((2.0, 1, 2), (path.Cost, path.Places[0], path[0]));
        Assert.Equal([5, 2, 9], path.Through[0]);
    }

    [Fact]
    public void A_dear_step_now_may_save_a_dearer_one_later()
    {
        // Greedy takes 0 first and pays 10 to go on; the path takes 1 first.
        var path = new LeastCostPath<int>(
            [
                [0, 1],
                [0, 1],
            ],
            (i, c) =>
                (i, c) switch
                {
                    (0, _) => c * 0.5,
                    (_, 0) => 3,
                    _ => 0,
                },
            (_, from, to) => from == to ? 0 : 10
        );
        Assert.Equal([1, 1], path.Places);
        Assert.Equal(0.5, path.Cost, 9);
    }

    [Fact]
    public void Each_cost_is_asked_for_once()
    {
        var asked = 0;
        _ = new LeastCostPath<int>(
            [
                [0, 1],
                [0, 1, 2],
                [0],
            ],
            (_, _) => 0,
            (_, _, _) => ++asked
        );
        Assert.Equal((2 * 3) + (3 * 1), asked);
    }

    /// <summary>Four hundred random layered graphs: the cost, the path, and the price through every candidate.</summary>
    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    [InlineData(4)]
    public void No_path_is_cheaper_and_every_price_is_right(int seed)
    {
        var random = new Random(seed * 7919);
        for (var round = 0; round < 100; round++)
        {
            var layers = Enumerable
                .Range(0, random.Next(1, 6))
                .Select(_ => (IReadOnlyList<int>)[.. Enumerable.Range(0, random.Next(1, 5))])
                .ToList();
            var own = layers.Select(l => l.Select(_ => random.NextDouble() * 4).ToArray()).ToArray();
            var change = layers
                .Select((l, i) => l.Select(_ => i == 0 ? [] : layers[i - 1].Select(_ => random.NextDouble() * 4).ToArray()).ToArray())
                .ToArray();
            var path = new LeastCostPath<int>(layers, (i, c) => own[i][c], (i, from, to) => change[i][to][from]);
            var all = All(layers).ToList();
            double Price(int[] way) => way.Select((c, i) => own[i][c] + (i == 0 ? 0 : change[i][c][way[i - 1]])).Sum();
            Assert.Equal(all.Min(Price), path.Cost, 9);
            Assert.Equal(path.Cost, Price([.. path.Places]), 9);
            for (var i = 0; i < layers.Count; i++)
                foreach (var c in layers[i])
                    Assert.Equal(all.Where(w => w[i] == c).Min(Price), path.Through[i][c], 9);
        }
    }

    private static IEnumerable<int[]> All(List<IReadOnlyList<int>> layers)
    {
        IEnumerable<int[]> ways =
        [
            [],
        ];
        foreach (var layer in layers)
            ways = ways.SelectMany(w => layer.Select(c => w.Append(c).ToArray()));
        return ways;
    }
}
