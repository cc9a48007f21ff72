namespace MellowStand.Core.Assign;

/// <summary>How a player went through a passage that was planned evenly.</summary>
/// <param name="Planned">Share of the time to its date that had gone, 0 to 1.</param>
/// <param name="Climbed">Share of the way from the first tempo to the goal that was clean then.</param>
public sealed record Climb(double Planned, double Climbed);

/// <summary>Minutes that a school takes for what would take one, as its log shows.</summary>
/// <remarks>The middle of all players who were heard; our own measure.</remarks>
public static class LearnedPace
{
    private const int Least = 6;
    private const double LeastShare = 0.1;
    private const double Slowest = 2;
    private const double Quickest = 0.5;

    /// <summary>The pace; 1 with too few who were heard.</summary>
    public static double Of(IEnumerable<Climb> climbs)
    {
        var paces = climbs
            .Where(c => c.Planned >= LeastShare)
            .Select(c => Math.Clamp(c.Planned / Math.Max(LeastShare / 2, c.Climbed), Quickest, Slowest))
            .Order()
            .ToList();
        return paces.Count < Least ? 1 : Math.Round((paces[(paces.Count - 1) / 2] + paces[paces.Count / 2]) / 2, 2);
    }
}
