using MellowStand.Core.HouseRules;

namespace MellowStand.Core.Technique.Strings;

/// <summary>How dear it is to leave the first position: a house rule, by the players' level where it says so.</summary>
/// <remarks>First position and its extensions for the first years, then by need: common practice, no published source; the factors are
/// ours.</remarks>
internal static class HomePosition
{
    private const string ByLevel = "by-level";

    private static readonly Dictionary<string, double> Answers = new()
    {
        ["by-need"] = 1,
        ["first"] = 4,
        ["free"] = 0.4,
    };

    private static readonly Dictionary<string, double> Levels = new()
    {
        ["comfortable"] = 1.5,
        ["advanced"] = 1,
        ["extreme"] = 0.7,
    };

    /// <summary>How much of a place's price a school's players pay.</summary>
    /// <param name="house">The school's answers.</param>
    /// <param name="level">The players' level, or null where it is not known.</param>
    public static double Of(House house, string? level)
    {
        var answer = house["home-position"];
        return answer == ByLevel ? Levels.GetValueOrDefault(level ?? "", 1) : Answers[answer];
    }
}
