using MellowStand.Core.Notation;

namespace MellowStand.Core.Instruments;

/// <summary>Transpositions that several instruments share, written to sounding.</summary>
internal static class Transpositions
{
    public static Transposition InBb { get; } = new(-1, -2, 0);

    public static Transposition InBbOctave { get; } = new(-1, -2, -1);

    public static Transposition InEbLow { get; } = new(-5, -9, 0);

    public static Transposition InEbLowOctave { get; } = new(-5, -9, -1);

    public static Transposition InEbHigh { get; } = new(2, 3, 0);

    public static Transposition InF { get; } = new(-4, -7, 0);

    public static Transposition InA { get; } = new(-2, -3, 0);
}
