using MellowStand.Core.HouseRules;

namespace MellowStand.Core.Practice;

/// <summary>How a passage is practiced at one step of its ladder.</summary>
/// <param name="Recipes">Names of the recipes in order; none for the music as printed alone.</param>
public sealed record PathStep(IReadOnlyList<string> Recipes);

/// <summary>Which ways to practice at which steps of a ladder.</summary>
/// <remarks>At most three a step, those that suit best first and the others in turn; the last step is the music as printed. Ornaments out
/// first or always in by the house rule <c>ornaments</c>; chunks in the order of <c>chunks</c>. Common practice, no published
/// source.</remarks>
public static class PracticePath
{
    private const int MostAStep = 3;

    // What leaves ornaments out, or adds them one kind after the other.
    private static readonly HashSet<string> OrnamentsOut = ["skeleton", "graces-back"];

    /// <summary>The path; one entry a step.</summary>
    /// <param name="offers">The recipes that suit the passage, best first.</param>
    /// <param name="house">The school's answers.</param>
    /// <param name="steps">How many steps the ladder has.</param>
    public static IReadOnlyList<PathStep> Of(IReadOnlyList<Offer> offers, House house, int steps)
    {
        var suiting = offers
            .Where(o => house["ornaments"] == "add-later" || !OrnamentsOut.Contains(o.Recipe.Name))
            .OrderByDescending(o => o.Suit.Weight + (PracticeStages.ChunksOf(house["chunks"]).Contains(o.Recipe.Name) ? 0.3 : 0))
            .Select(o => o.Recipe.Name)
            .ToList();
        var turns = new int[PracticeStages.Count];
        // Rhythm and awkward changes are sure before they are joined: a step goes through its ways in the order of the stages.
        return
        [
            .. Enumerable
                .Range(0, steps)
                .Select(i =>
                {
                    if (i == steps - 1)
                        return new PathStep([.. suiting.Where(r => r == "with-line")]);
                    var stage = i * PracticeStages.Count / steps;
                    var pool = suiting.Where(r => PracticeStages.Has(r, stage) && (i == 0 || !IsOnce(r))).ToList();
                    return new PathStep([.. InTurn(i == 0 ? First(pool) : pool, turns[stage]++).OrderBy(PracticeStages.PlaceOf)]);
                }),
        ];
    }

    // The rhythm alone comes before anything is played, and not again.
    private static bool IsOnce(string recipe) => recipe == "rhythm-only";

    private static List<string> First(List<string> pool) => [.. pool.OrderByDescending(IsOnce)];

    // The best is there at every step of its stage; the others take turns beside it.
    private static List<string> InTurn(List<string> pool, int turn)
    {
        if (pool.Count <= MostAStep)
            return pool;
        var others = pool.Skip(1).ToList();
        return [pool[0], .. Enumerable.Range(0, MostAStep - 1).Select(k => others[((turn * (MostAStep - 1)) + k) % others.Count])];
    }
}
