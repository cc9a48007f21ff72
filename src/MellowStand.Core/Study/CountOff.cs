using System.Globalization;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Study;

/// <summary>Beats to count before a measure begins.</summary>
/// <remarks>A full measure, or what a pickup leaves of one: three beats before a one-beat pickup in 4/4. Common practice, no
/// published source.</remarks>
public static class CountOff
{
    /// <summary> Beats counted aloud before the passage: a full measure, or what a pickup leaves of one.
    /// </summary>
    /// <remarks>A one-beat pickup in 4/4 is counted off with three beats. Common practice, no published source.</remarks>
    public static Fraction Beats(MeasureFrame first)
    {
        if (first.Meter.IsSenza)
            return 4;
        var quarters = first.IsPickup ? first.Meter.Length - first.Length : first.Meter.Length;
        return quarters / first.Meter.BeatUnit;
    }
}
