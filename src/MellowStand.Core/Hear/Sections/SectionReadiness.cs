using MellowStand.Core.HouseRules;

namespace MellowStand.Core.Hear;

/// <summary>Whether a section has a passage by the date.</summary>
/// <param name="Chance">Chance that all but the allowed number are ready, or null where nobody of it can be told.</param>
/// <param name="Players">How many have it.</param>
/// <param name="Told">Of how many of them can be told.</param>
/// <param name="MayMiss">How many may miss it.</param>
public sealed record SectionChance(double? Chance, int Players, int Told, int MayMiss);

/// <summary>The readiness of sections, by the house rule <c>section-ready</c>.</summary>
public static class SectionReadiness
{
    private static readonly Dictionary<string, Func<int, int>> Allowed = new()
    {
        ["none"] = _ => 0,
        ["one"] = _ => 1,
        ["one-in-ten"] = n => n / 10,
        ["one-in-five"] = n => n / 5,
    };

    /// <summary>How many of a section may miss a passage.</summary>
    public static int MayMiss(House house, int players) => Math.Min(players, Allowed[house["section-ready"]](players));

    /// <summary>The chance of a section. Of whom nothing can be told counts as the mean of the others.</summary>
    /// <param name="house">The school's answers.</param>
    /// <param name="chances">The chance of each player; null where nobody can tell.</param>
    public static SectionChance Of(House house, IReadOnlyCollection<double?> chances)
    {
        var mayMiss = MayMiss(house, chances.Count);
        var told = chances.OfType<double>().ToList();
        if (told.Count == 0)
            return new SectionChance(null, chances.Count, 0, mayMiss);
        var mean = told.Average();
        var chance = Chances.AllBut([.. chances.Select(c => c ?? mean)], mayMiss);
        return new SectionChance(Math.Round(chance, 3), chances.Count, told.Count, mayMiss);
    }
}
