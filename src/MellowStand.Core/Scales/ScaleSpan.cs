using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Scales;

/// <summary>Where a scale lies on an instrument.</summary>
/// <param name="Start">The lowest tonic, written.</param>
/// <param name="Octaves">Octaves, from 1.</param>
/// <param name="Most">Octaves that the instrument has on this tonic.</param>
/// <remarks>A scale begins on the lowest tonic of the range, on instruments of more than four octaves near middle C when fewer are asked
/// for:
/// common practice, no published source.</remarks>
public sealed record ScaleSpan(Pitch Start, int Octaves, int Most)
{
    // Beyond this the low end is no place to begin: a piano, a harp.
    private const int WideRange = 48;
    private const int MiddleC = 60;

    /// <summary>The octaves asked for, as far as the range has them; null where it has not one.</summary>
    /// <param name="tonic">The written tonic.</param>
    /// <param name="range">The written range.</param>
    /// <param name="asked">Octaves asked for, or null for all.</param>
    /// <param name="begins">Octaves above the lowest tonic at which it is to begin, by choice.</param>
    public static ScaleSpan? Of(ScaleTonic tonic, WrittenRange range, int? asked, int begins = 0)
    {
        var low = Enumerable.Range(-1, 12).Select(tonic.In).First(p => p.Midi >= range.Low.Midi).Transpose(7 * begins, 12 * begins);
        var most = (range.High.Midi - low.Midi) / 12;
        if (most < 1)
            return null;
        var octaves = Math.Clamp(asked ?? most, 1, most);
        var isWide = begins == 0 && range.High.Midi - range.Low.Midi > WideRange;
        var up = isWide ? Enumerable.Range(0, most - octaves + 1).MinBy(o => Math.Abs(low.Midi + (12 * o) + (6 * octaves) - MiddleC)) : 0;
        return new ScaleSpan(low.Transpose(7 * up, 12 * up), octaves, most);
    }
}
