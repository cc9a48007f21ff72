namespace MellowStand.Core.Assign;

/// <summary>Bands in words, for directors.</summary>
public static class BandWords
{
    private static readonly Dictionary<Band, string> All = new()
    {
        [Band.Usual] = "on the way",
        [Band.Behind] = "behind",
        [Band.Ahead] = "ahead",
    };

    /// <summary>The words, e.g. <c>on the way</c>.</summary>
    public static string Of(Band band) => All[band];
}
