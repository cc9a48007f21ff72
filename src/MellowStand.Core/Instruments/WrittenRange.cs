using MellowStand.Core.Notation;

namespace MellowStand.Core.Instruments;

/// <summary>A written range from the lowest to the highest pitch.</summary>
/// <param name="Low">Lowest written pitch.</param>
/// <param name="High">Highest written pitch.</param>
public sealed record WrittenRange(Pitch Low, Pitch High)
{
    /// <summary>Reads two pitches: <c>C4 C7</c>.</summary>
    public static WrittenRange Parse(string text)
    {
        var ends = text.Split(' ');
        return new WrittenRange(Pitch.Parse(ends[0]), Pitch.Parse(ends[1]));
    }

    /// <summary>True when the pitch lies inside, whatever its spelling.</summary>
    public bool Holds(Pitch pitch) => pitch.Midi >= Low.Midi && pitch.Midi <= High.Midi;
}

/// <summary>An instrument's written ranges by a player's level, the narrowest first.</summary>
/// <param name="Comfortable">A school player of about four years.</param>
/// <param name="Advanced">A strong senior.</param>
/// <param name="Extreme">What the instrument gives in trained hands.</param>
public sealed record InstrumentRanges(WrittenRange Comfortable, WrittenRange Advanced, WrittenRange Extreme)
{
    /// <summary>Reads three ranges: <c>C4 Bb6</c>.</summary>
    public InstrumentRanges(string comfortable, string advanced, string extreme)
        : this(WrittenRange.Parse(comfortable), WrittenRange.Parse(advanced), WrittenRange.Parse(extreme)) { }

    /// <summary>One range at every level.</summary>
    public InstrumentRanges(string all)
        : this(all, all, all) { }

    /// <summary>The range at a level; the comfortable one for an unknown level.</summary>
    /// <param name="level">One of <see cref="WrittenRanges.Levels"/>.</param>
    public WrittenRange At(string level) =>
        level switch
        {
            "advanced" => Advanced,
            "extreme" => Extreme,
            _ => Comfortable,
        };
}

/// <summary>Levels of players.</summary>
public static class WrittenRanges
{
    /// <summary>The levels, the narrowest range first.</summary>
    public static IReadOnlyList<string> Levels { get; } = ["comfortable", "advanced", "extreme"];
}
