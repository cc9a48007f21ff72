using MellowStand.Core.HouseRules;

namespace MellowStand.Core.Assign;

/// <summary>A stretch of measures to begin with.</summary>
/// <param name="From">First measure from 0.</param>
/// <param name="To">Last measure from 0.</param>
/// <param name="Heat">Mean heat of its measures, 0 to 1.</param>
public sealed record FirstRange(int From, int To, double Heat);

/// <summary>The passages of a part to begin with, in the order of the house rule <c>chunks</c>.</summary>
/// <remarks>Stretches of four measures that do not overlap, the warmest of them. Common practice, no published source.</remarks>
public static class FirstRanges
{
    private const int Length = 4;

    /// <summary>The passages; fewer where the part is easy.</summary>
    /// <param name="heat">Heat of the part, a value a measure from 0 to 1.</param>
    /// <param name="house">The school's answers.</param>
    /// <param name="most">At most so many.</param>
    public static IReadOnlyList<FirstRange> Of(IReadOnlyList<double> heat, House house, int most)
    {
        var length = Math.Min(Length, heat.Count);
        var taken = new List<FirstRange>();
        if (length == 0)
            return taken;
        var windows = Enumerable
            .Range(0, heat.Count - length + 1)
            .Select(i => new FirstRange(i, i + length - 1, heat.Skip(i).Take(length).Average()))
            .Where(w => w.Heat > 0)
            .OrderByDescending(w => w.Heat)
            .ThenBy(w => w.From);
        foreach (var w in windows)
            if (taken.Count < most && taken.TrueForAll(t => Math.Abs(t.From - w.From) >= length))
                taken.Add(w);
        return InOrder(taken, house["chunks"]);
    }

    /// <summary>Hardness in words: <c>hard</c>, <c>demanding</c>, <c>moderate</c> or <c>easy</c>.</summary>
    /// <param name="heat">Heat from 0 to 1.</param>
    public static string Words(double heat) =>
        heat switch
        {
            >= 0.6 => "hard",
            >= 0.35 => "demanding",
            >= 0.15 => "moderate",
            _ => "easy",
        };

    private static List<FirstRange> InOrder(List<FirstRange> taken, string order) =>
        order switch
        {
            "from-start" or "joined" => [.. taken.OrderBy(t => t.From)],
            "from-end" => [.. taken.OrderByDescending(t => t.From)],
            _ => taken,
        };
}
