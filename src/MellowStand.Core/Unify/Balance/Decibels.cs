using System.Globalization;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify.Balance;

/// <summary>Written levels and players in decibels on one scale.</summary>
/// <remarks>Equal sources that are not in phase add by power: n of them are 10·log10(n) dB louder than one (incoherent sources; L. L.
/// Beranek, "Acoustics", 1954, chapter on sound fields; ISO 9613-2 adds sources the same way; both from memory). How many decibels lie
/// between two written levels nobody has measured for good: the house sets it.</remarks>
public static class Decibels
{
    /// <summary>Decibels of one player at a level, against one player at mezzo forte.</summary>
    public static double OfLevel(House house, int level) => (level - DynamicLevels.Default) * Step(house);

    /// <summary>Decibels between two neighbouring levels.</summary>
    public static double Step(House house) => double.Parse(house["level-decibels"], CultureInfo.InvariantCulture);

    /// <summary>The sum of incoherent sources in decibels; negative infinity for none.</summary>
    public static double Sum(IEnumerable<double> decibels) => 10 * Math.Log10(decibels.Sum(d => Math.Pow(10, d / 10)));

    /// <summary>So many equal players in decibels above one of them.</summary>
    public static double OfPlayers(int players) => 10 * Math.Log10(players);
}
