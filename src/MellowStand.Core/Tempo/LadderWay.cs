namespace MellowStand.Core.Tempo;

/// <summary>The way over the steps of a ladder.</summary>
/// <remarks>Two steps up and one back makes each tempo come again once it has been left; going past the goal and back makes the goal feel
/// slow.
/// Common practice, no published source.</remarks>
/// <param name="OneBack">True for two steps up and one back.</param>
/// <param name="Past">Percent beyond the goal that are tried before it; 0 for none.</param>
public sealed record LadderWay(bool OneBack = false, double Past = 0)
{
    private const double MostPast = 25;

    /// <summary>Straight up to the goal.</summary>
    public static LadderWay Straight { get; } = new();

    /// <summary>Refuses what makes no sense.</summary>
    /// <exception cref="LadderException">The percentage is out of bounds.</exception>
    public void Check()
    {
        if (!double.IsFinite(Past) || Past is < 0 or > MostPast)
            throw new LadderException($"Past the goal means 0 to {MostPast} percent beyond it.");
    }

    /// <summary>The steps as they are practiced; the first and the last stay.</summary>
    /// <param name="rungs">The steps straight up.</param>
    public IReadOnlyList<TempoMark> Over(IReadOnlyList<TempoMark> rungs)
    {
        var way = OneBack ? Zigzag(rungs) : [.. rungs];
        var goal = rungs[^1];
        if (Past > 0)
            way.AddRange([goal with { Bpm = Math.Round(goal.Bpm * (1 + (Past / 100)), 1) }, goal]);
        return way;
    }

    // 1 2 3 2 3 4 3 4 5 …: two up, one back.
    private static List<TempoMark> Zigzag(IReadOnlyList<TempoMark> rungs)
    {
        var way = rungs.Take(2).ToList();
        for (var i = 2; i < rungs.Count; i++)
        {
            way.Add(rungs[i]);
            if (i < rungs.Count - 1)
                way.AddRange([rungs[i - 1], rungs[i]]);
        }

        return way;
    }
}
