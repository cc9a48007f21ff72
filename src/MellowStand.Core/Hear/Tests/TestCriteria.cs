namespace MellowStand.Core.Hear;

/// <summary>What a playing test listens for.</summary>
/// <param name="Name">A stable key.</param>
/// <param name="Words">In words.</param>
/// <param name="IsForScales">True for the list of scales.</param>
public sealed record TestCriterion(string Name, string Words, bool IsForScales);

/// <summary>The short lists of playing tests.</summary>
/// <remarks>Common practice, no published source; all weigh the same until a school says otherwise.</remarks>
public static class TestCriteria
{
    /// <summary>The highest mark of a criterion.</summary>
    public const int Best = 5;

    /// <summary>The highest weight.</summary>
    public const int Heaviest = 10;

    /// <summary>Every criterion, passages first.</summary>
    public static IReadOnlyList<TestCriterion> All { get; } =
    [
        new("notes", "right notes", false),
        new("rhythm", "rhythm", false),
        new("articulation", "articulation", false),
        new("dynamics", "dynamics", false),
        new("tone", "tone", false),
        new("pulse", "steady pulse", false),
        new("style", "style", false),
        new("scale-notes", "right notes", true),
        new("scale-pitch", "pitch", true),
        new("scale-sameness", "sameness of attack, sustain and release", true),
        new("scale-level", "sameness of level", true),
        new("scale-tone", "sameness of tone", true),
        new("scale-pulse", "steady pulse", true),
    ];

    /// <summary>The criterion with the name, or null.</summary>
    public static TestCriterion? Find(string name) => All.FirstOrDefault(c => c.Name == name);
}

/// <summary>A weighted criterion of a test.</summary>
/// <param name="Name">Name of the criterion.</param>
/// <param name="Weight">1 to <see cref="TestCriteria.Heaviest"/>.</param>
public sealed record TestWeight(string Name, int Weight);

/// <summary>What a test comes to.</summary>
public static class TestScore
{
    /// <summary>Percent of what could be had, or null while a mark is missing.</summary>
    /// <param name="weights">The test's criteria.</param>
    /// <param name="marks">Marks by criterion, 0 to <see cref="TestCriteria.Best"/>.</param>
    public static double? Percent(IReadOnlyList<TestWeight> weights, IReadOnlyDictionary<string, int> marks)
    {
        if (weights.Count == 0 || weights.Any(w => !marks.ContainsKey(w.Name)))
            return null;
        var had = weights.Sum(w => w.Weight * marks[w.Name]);
        return Math.Round(100.0 * had / (TestCriteria.Best * weights.Sum(w => w.Weight)), 1);
    }

    /// <summary>What was weakest, for the next lesson: at most three criteria below the best mark, the heaviest loss first.</summary>
    /// <remarks>Three things fixed at a hearing are enough: common practice, no published source.</remarks>
    public static IReadOnlyList<string> Weakest(IReadOnlyList<TestWeight> weights, IReadOnlyDictionary<string, int> marks) =>
        [
            .. weights
                .Where(w => marks.TryGetValue(w.Name, out var mark) && mark < TestCriteria.Best)
                .OrderByDescending(w => w.Weight * (TestCriteria.Best - marks[w.Name]))
                .Take(3)
                .Select(w => w.Name),
        ];
}
