using MellowStand.Core.Notation;
using MellowStand.Core.Study;

namespace MellowStand.Core.Tempo;

/// <summary>One click.</summary>
/// <param name="Seconds">Seconds after the first click of the count-off.</param>
/// <param name="Accent">True on the first beat of a measure.</param>
/// <param name="Measure">Its measure from 0, or null in the count-off.</param>
/// <param name="CountOff">True before the music.</param>
public sealed record Click(double Seconds, bool Accent, int? Measure, bool CountOff);

/// <summary>The clicks of a passage.</summary>
/// <param name="Clicks">All clicks in order.</param>
/// <param name="StartsAt">Seconds at which the music begins.</param>
/// <param name="Seconds">Seconds of the whole, to the end of the last measure.</param>
public sealed record ClickTrackResult(IReadOnlyList<Click> Clicks, double StartsAt, double Seconds);

/// <summary>Clicks in the unit of a tempo, through changes of meter, with a count-off of the meter.</summary>
/// <remarks>A measure that the unit does not fill begins its clicks anew at the next bar line, so that the accent stays on
/// the downbeat. A one-beat pickup in 4/4 is counted off with three beats. Common practice, no published source.</remarks>
public static class ClickTrack
{
    /// <summary>The clicks of measures at a tempo.</summary>
    /// <param name="score">The score.</param>
    /// <param name="from">First measure from 0.</param>
    /// <param name="to">Last measure from 0.</param>
    /// <param name="mark">Unit and beats per minute.</param>
    public static ClickTrackResult Of(Score score, int from, int to, TempoMark mark)
    {
        var quarter = 60 / mark.QuarterBpm;
        var unit = mark.Unit.Quarters;
        var first = score.Measures[from];
        var off = CountOff.Beats(first) * (first.Meter.IsSenza ? 1 : first.Meter.BeatUnit);
        var clicks = new List<Click>();
        for (var at = Fraction.Zero; at < off; at += unit)
            clicks.Add(new Click(Seconds(at), at == Fraction.Zero && !first.IsPickup, null, true));
        foreach (var frame in score.Measures.Skip(from).Take(to - from + 1))
        {
            var begin = off + (frame.Start - first.Start);
            // In a pickup the clicks line up with the bar line that follows it.
            var at = frame.IsPickup ? Phase(frame.Length, unit) : Fraction.Zero;
            for (; at < frame.Length; at += unit)
                clicks.Add(new Click(Seconds(begin + at), at == Fraction.Zero && !frame.IsPickup, frame.Index, false));
        }

        return new ClickTrackResult(clicks, Seconds(off), Seconds(off + (score.Measures[to].End - first.Start)));

        double Seconds(Fraction at) => Math.Round(at.Value * quarter, 4);
    }

    private static Fraction Phase(Fraction length, Fraction unit)
    {
        var beats = length / unit;
        return (beats - new Fraction(beats.Numerator / beats.Denominator)) * unit;
    }
}
