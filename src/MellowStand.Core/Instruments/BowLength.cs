using System.Globalization;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Instruments;

/// <summary>How long one whole bow lasts.</summary>
/// <remarks>Louder is faster bow: each level above mezzo forte takes a fifth off, each below adds a quarter. The seconds at mezzo forte are
/// a house rule. From memory and practice; nobody has a published figure.</remarks>
public static class BowLength
{
    private const double PerLevel = 0.8;

    /// <summary>Seconds that a whole bow lasts at a level (0 = pppp … 9 = ffff).</summary>
    public static double Seconds(House house, int level) =>
        double.Parse(house["bow-seconds"], CultureInfo.InvariantCulture) * Math.Pow(PerLevel, level - DynamicLevels.Default);
}
