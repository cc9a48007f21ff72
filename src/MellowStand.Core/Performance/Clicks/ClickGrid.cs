using MellowStand.Core.Notation;

namespace MellowStand.Core.Performance;

/// <summary>How much a click stands out.</summary>
public enum ClickRank
{
    /// <summary>Between two beats.</summary>
    Subdivision,

    /// <summary>A beat.</summary>
    Beat,

    /// <summary>A downbeat, or the first of a group in an uneven meter.</summary>
    Accent,
}

/// <summary>A click of a full measure.</summary>
/// <param name="Offset">Quarters from the bar line.</param>
/// <param name="Rank">How much it stands out.</param>
/// <param name="Beat">Its number in the measure, from 1; a subdivision has that of the beat before.</param>
public sealed record GridClick(Fraction Offset, ClickRank Rank, int Beat);

/// <summary>The clicks of a measure in the unit of the tempo.</summary>
/// <remarks>A measure that the unit does not fill begins its clicks anew at the next bar line. 5/8, 7/8 and their like are clicked by their
/// groups, as they are beamed; in a unit shorter than the groups each unit is clicked and the first of each group stands out. Common
/// practice, no published source.</remarks>
public static class ClickGrid
{
    /// <summary>The clicks of the whole measure, though a pickup or a cut measure sounds only a part of them.</summary>
    /// <param name="score">The score.</param>
    /// <param name="frame">The measure.</param>
    /// <param name="unit">The unit that is clicked, in quarters.</param>
    /// <param name="subdivision">Clicks a beat: 1 for the beats alone.</param>
    public static IReadOnlyList<GridClick> Of(Score score, MeasureFrame frame, Fraction unit, int subdivision)
    {
        var beats = Beats(score, frame, unit);
        if (subdivision <= 1)
            return beats;
        var ends = beats.Skip(1).Select(b => b.Offset).Append(FullLength(frame));
        return
        [
            .. beats
                .Zip(
                    ends,
                    (beat, end) =>
                        Enumerable
                            .Range(0, subdivision)
                            .Select(i =>
                                i == 0
                                    ? beat
                                    : new GridClick(
                                        beat.Offset + ((end - beat.Offset) * new Fraction(i, subdivision)),
                                        ClickRank.Subdivision,
                                        beat.Beat
                                    )
                            )
                )
                .SelectMany(b => b),
        ];
    }

    /// <summary>Quarters of the whole measure, of which a pickup sounds the end only.</summary>
    public static Fraction FullLength(MeasureFrame frame) =>
        frame.Meter.IsSenza ? frame.Length : Fraction.Max(frame.Meter.Length, frame.Length);

    /// <summary>Quarters of the whole measure before the first that sounds: what a pickup leaves out.</summary>
    public static Fraction Missing(MeasureFrame frame) => frame.IsPickup ? FullLength(frame) - frame.Length : Fraction.Zero;

    private static List<GridClick> Beats(Score score, MeasureFrame frame, Fraction unit)
    {
        if (MeterGroups.LengthsOf(score, frame) is not { } groups)
            return Row(Fraction.Zero, FullLength(frame), unit, 1);
        var clicks = new List<GridClick>();
        var isByUnit = groups.All(g => unit < g);
        var at = Fraction.Zero;
        foreach (var group in groups)
        {
            if (isByUnit)
                clicks.AddRange(Row(at, at + group, unit, clicks.Count + 1));
            else
                clicks.Add(new GridClick(at, clicks.Count == 0 ? ClickRank.Accent : ClickRank.Beat, clicks.Count + 1));
            at += group;
        }

        return clicks;
    }

    private static List<GridClick> Row(Fraction from, Fraction to, Fraction unit, int first)
    {
        var clicks = new List<GridClick>();
        for (var at = from; at < to; at += unit)
            clicks.Add(new GridClick(at, at == from ? ClickRank.Accent : ClickRank.Beat, first + clicks.Count));
        return clicks;
    }
}
