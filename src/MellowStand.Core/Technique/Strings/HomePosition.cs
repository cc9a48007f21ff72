using MellowStand.Core.HouseRules;

namespace MellowStand.Core.Technique.Strings;

/// <summary>How dear it is to leave the first position: a house rule.</summary>
/// <remarks>First position and its extensions for the first years, then by need: common practice, no published source; the factors are
/// ours.</remarks>
internal static class HomePosition
{
    private static readonly Dictionary<string, double> Factors = new()
    {
        ["by-need"] = 1,
        ["first"] = 4,
        ["free"] = 0.4,
    };

    /// <summary>How much of a place's price a school's players pay.</summary>
    public static double Of(House house) => Factors[house["home-position"]];
}
