namespace MellowStand.Core.Technique.Signs;

/// <summary>How much harder another way makes a passage, in words: a cost means nothing to a player.</summary>
/// <remarks>The steps are ours, on the scale of the costs.</remarks>
public static class HarderWords
{
    private static readonly (double To, string Words)[] Steps =
    [
        (0.1, "as easy"),
        (0.45, "a little harder"),
        (1.2, "harder"),
        (double.PositiveInfinity, "much harder"),
    ];

    /// <summary>E.g. <c>a little harder: crosses two strings</c>.</summary>
    /// <param name="more">What the whole passage costs more.</param>
    /// <param name="why">What is awkward; may be empty.</param>
    public static string Of(double more, string why)
    {
        var words = Steps.First(s => more <= s.To).Words;
        return why.Length == 0 ? words : $"{words}: {why}";
    }
}
