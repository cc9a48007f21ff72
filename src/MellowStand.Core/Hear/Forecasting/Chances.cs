using System.Globalization;

namespace MellowStand.Core.Hear;

/// <summary>Chances of one player brought together, and told in words.</summary>
public static class Chances
{
    /// <summary>A chance in words, e.g. <c>7 in 10</c>; never 0 or 10 in 10.</summary>
    /// <param name="chance">0 to 1.</param>
    public static string Words(double chance)
    {
        if (chance < 0.05)
            return "under 1 in 20";
        return chance > 0.95
            ? "over 19 in 20"
            : string.Create(CultureInfo.InvariantCulture, $"{Math.Clamp(Math.Round(chance * 10), 1, 9):0} in 10");
    }

    /// <summary>Chance that at most so many of them are not ready.</summary>
    /// <remarks>The Poisson binomial distribution by its recursion (Wang, "On the number of successes in independent trials", Statistica
    /// Sinica 3, 1993, cited from memory); players are taken as independent of each other.</remarks>
    /// <param name="chances">The chance of each to be ready, 0 to 1.</param>
    /// <param name="missing">How many may be missing.</param>
    public static double AllBut(IReadOnlyCollection<double> chances, int missing)
    {
        var notReady = new double[chances.Count + 1];
        notReady[0] = 1;
        foreach (var chance in chances)
            for (var k = notReady.Length - 1; k >= 0; k--)
                notReady[k] = (notReady[k] * chance) + (k > 0 ? notReady[k - 1] * (1 - chance) : 0);
        return notReady.Take(missing + 1).Sum();
    }
}
