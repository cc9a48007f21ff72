namespace MellowStand.Core.Tempo;

/// <summary>A passage that a player was heard in: how fast it was clean, and how fast the limits would have it.</summary>
/// <param name="Clean">Quarters per minute heard clean, the best of them.</param>
/// <param name="Computed">Quarters per minute that the limits give.</param>
public sealed record CleanAndComputed(double Clean, double Computed);

/// <summary>Draws the limits of a level nearer to one player, by what was logged.</summary>
/// <remarks>A mean of the ratios heard, with two passages' worth of belief in the level, kept between six tenths and one and a half: few
/// entries
/// move it little. Our own convention, of the kind of a shrunken mean.</remarks>
public static class PlayerNearness
{
    private const double Belief = 2;
    private const double Least = 0.6;
    private const double Most = 1.5;

    /// <summary>The factor on the fastest tempo: 1 for a player of whom nothing is known.</summary>
    public static double Of(IReadOnlyCollection<CleanAndComputed> heard)
    {
        var ratios = heard
            .Where(h => h is { Computed: > 0, Clean: > 0 })
            .Select(h => Math.Clamp(h.Clean / h.Computed, Least, Most))
            .ToList();
        return Math.Clamp((Belief + ratios.Sum()) / (Belief + ratios.Count), Least, Most);
    }
}
