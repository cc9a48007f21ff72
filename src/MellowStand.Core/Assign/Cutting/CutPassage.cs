namespace MellowStand.Core.Assign;

/// <summary>Measures of a passage that come again just so elsewhere.</summary>
/// <param name="From">First measure from 0.</param>
/// <param name="To">Last measure from 0.</param>
public readonly record struct MeasureRange(int From, int To)
{
    /// <summary>How many measures it holds.</summary>
    public int Length => To - From + 1;

    /// <summary>True when a measure lies in it.</summary>
    public bool Holds(int measure) => measure >= From && measure <= To;
}

/// <summary>A passage proposed to be learnt.</summary>
/// <param name="Parts">Ids of the parts that share it, in score order.</param>
/// <param name="Range">Its measures.</param>
/// <param name="Minutes">Minutes to learn it, all sessions together; more than 0.</param>
/// <param name="Heat">Heat of its measures, the mean of the hottest part's, 0 to 1.</param>
/// <param name="Why">Where it begins and ends, and what the minutes are made of.</param>
/// <param name="Same">Measures elsewhere that are learnt with it.</param>
public sealed record CutPassage(
    IReadOnlyList<string> Parts,
    MeasureRange Range,
    int Minutes,
    double Heat,
    string Why,
    IReadOnlyList<MeasureRange> Same
);

/// <summary>What is to be cut.</summary>
/// <param name="Parts">Ids of the parts.</param>
/// <param name="Range">The measures.</param>
/// <param name="Longest">At most so many measures a passage, at least 1.</param>
/// <param name="Pace">Minutes that this school takes for what would take one; 1 where nothing is known.</param>
public sealed record CutRequest(IReadOnlyList<string> Parts, MeasureRange Range, int Longest, double Pace = 1)
{
    /// <summary>The longest that a director hands out at once.</summary>
    /// <remarks>Common practice, no published source: assignments are small.</remarks>
    public const int UsualLongest = 16;

    /// <summary>The shortest that is worth handing out, where the music allows it.</summary>
    public const int Shortest = 4;
}
