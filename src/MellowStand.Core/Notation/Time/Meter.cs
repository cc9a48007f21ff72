namespace MellowStand.Core.Notation;

/// <summary>A time signature: one or several groups of beats over a beat type.</summary>
/// <param name="Groups">Numerator and denominator of each group, e.g. 2/4, or 3+2/8 as (3,8),(2,8).</param>
/// <param name="Symbol">The printed symbol (<c>common</c>, <c>cut</c>, …) or null.</param>
/// <remarks>Source: MusicXML 4.0, element "time". An empty list is a measure without meter (senza misura).</remarks>
public sealed record Meter(IReadOnlyList<MeterGroup> Groups, string? Symbol = null)
{
    /// <summary>Four quarters, the meter assumed where none is printed.</summary>
    public static Meter CommonTime { get; } = Of(4, 4);

    /// <summary>Music without meter.</summary>
    public static Meter Senza { get; } = new([]);

    /// <summary>True when no meter is in force.</summary>
    public bool IsSenza => Groups.Count == 0;

    /// <summary>Length of a full measure in quarters; zero without meter.</summary>
    public Fraction Length { get; } = Groups.Aggregate(Fraction.Zero, (sum, g) => sum + g.Length);

    /// <summary>True for a compound meter: the beats are counted in dotted units (6/8, 9/8, 12/8, 6/4).</summary>
    /// <remarks>An upper number that is a multiple of three above three. Common practice; agrees with music21's beat count.</remarks>
    public bool IsCompound => IsInThrees(Groups);

    /// <summary>Lengths of the beats in quarters, in order.</summary>
    public IReadOnlyList<Fraction> Beats { get; } = BeatsOf(Groups);

    /// <summary>The unit that the beat is counted in, in quarters: 3/2 for 6/8, 1 for 4/4.</summary>
    public Fraction BeatUnit => IsSenza ? 1 : Beats[0];

    private static Fraction[] BeatsOf(IReadOnlyList<MeterGroup> groups)
    {
        if (IsInThrees(groups) || IsOneBeatThree(groups))
            return [.. Enumerable.Repeat(groups[0].Unit * 3, groups[0].Beats / 3)];
        return [.. groups.SelectMany(g => Enumerable.Repeat(g.Unit, g.Beats))];
    }

    private static bool IsInThrees(IReadOnlyList<MeterGroup> groups) =>
        groups.Count == 1 && groups[0].Beats > 3 && groups[0].Beats % 3 == 0;

    // 3/8 is one dotted quarter; 3/4 and 3/2 stay three beats.
    private static bool IsOneBeatThree(IReadOnlyList<MeterGroup> groups) => groups.Count == 1 && groups[0] is { Beats: 3, BeatType: >= 8 };

    /// <summary>A plain meter of one group.</summary>
    public static Meter Of(int beats, int beatType) => new([new MeterGroup(beats, beatType)]);

    /// <summary>Equal when the same groups are printed, whatever the symbol.</summary>
    public bool Equals(Meter? other) => other is not null && Groups.SequenceEqual(other.Groups);

    /// <inheritdoc/>
    public override int GetHashCode() => Groups.Aggregate(0, HashCode.Combine);

    /// <summary><c>6/8</c>, <c>3+2/8</c>, or <c>free</c>.</summary>
    public override string ToString()
    {
        if (IsSenza)
            return "free";
        var same = Groups.All(g => g.BeatType == Groups[0].BeatType);
        return same
            ? $"{string.Join('+', Groups.Select(g => g.Beats))}/{Groups[0].BeatType}"
            : string.Join(" + ", Groups.Select(g => $"{g.Beats}/{g.BeatType}"));
    }
}

/// <summary>One group of a meter: so many beats of a type (4 is a quarter, 8 an eighth).</summary>
public readonly record struct MeterGroup(int Beats, int BeatType)
{
    /// <summary>Length of one beat in quarters.</summary>
    public Fraction Unit => new(4, BeatType);

    /// <summary>Length of the group in quarters.</summary>
    public Fraction Length => new(4L * Beats, BeatType);
}
