namespace MellowStand.Core.HouseRules;

/// <summary>A question on which good teachers differ, with its answers.</summary>
/// <param name="Name">A stable key.</param>
/// <param name="Question">The question in words.</param>
/// <param name="Choices">Key and words of each answer; the first is the default.</param>
public sealed record HouseRule(string Name, string Question, IReadOnlyList<HouseChoice> Choices)
{
    /// <summary>The key of the default answer.</summary>
    public string Default => Choices[0].Key;
}

/// <summary>One answer to a house rule.</summary>
/// <param name="Key">A stable key.</param>
/// <param name="Words">The answer in words.</param>
public sealed record HouseChoice(string Key, string Words);
