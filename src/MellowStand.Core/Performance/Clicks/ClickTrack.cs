using MellowStand.Core.Notation;

namespace MellowStand.Core.Performance;

/// <summary>One click.</summary>
/// <param name="At">Quarters from the start of the first measure of the range; negative in the count-off.</param>
/// <param name="Seconds">Seconds from the first click of the count-off.</param>
/// <param name="Rank">How much it stands out.</param>
/// <param name="Measure">Its measure from 0, or null in the count-off.</param>
/// <param name="Beat">Its number in the measure, from 1.</param>
/// <param name="Level">How loud it is, 0 (kept silent by a game) to 1.</param>
public sealed record PerformedClick(Fraction At, double Seconds, ClickRank Rank, int? Measure, int Beat, double Level)
{
    /// <summary>True for a downbeat, or the first of a group in an uneven meter.</summary>
    public bool IsAccent => Rank == ClickRank.Accent;

    /// <summary>True before the music.</summary>
    public bool IsCountOff => Measure is null;
}

/// <summary>The clicks of a passage as it is played, its count-off first.</summary>
/// <remarks>Under a fermata nobody beats: the click waits for the music.</remarks>
internal sealed class ClickTrack(Score score, Pace pace, ClickPlan plan, Fraction unit, IReadOnlyList<Hold> holds)
{
    /// <summary>All clicks in order.</summary>
    public IReadOnlyList<PerformedClick> Of(CountOffPlan countOff, IReadOnlyList<PlayedMeasure> measures)
    {
        var clicks = countOff.Clicks.Select(c => new PerformedClick(c.Offset, pace.SecondsAt(c.Offset), c.Rank, null, c.Beat, 1)).ToList();
        var counted = 0;
        foreach (var (frame, start) in measures)
        {
            var level = plan.LevelIn(counted);
            foreach (var click in Inside(frame))
            {
                var at = start + click.Offset;
                clicks.Add(new PerformedClick(at, pace.SecondsAt(at), click.Rank, frame.Index, click.Beat, level));
            }

            counted += frame.IsPickup ? 0 : 1;
        }

        return clicks;
    }

    private IEnumerable<GridClick> Inside(MeasureFrame frame)
    {
        var missing = ClickGrid.Missing(frame);
        var grid = ClickGrid.Of(score, frame, unit, plan.Subdivision);
        if (plan.Game == ClickGame.OffBeat)
            grid = Between(frame, ClickGrid.Of(score, frame, unit, 2));
        return grid.Select(c => c with { Offset = c.Offset - missing })
            .Where(c => c.Offset >= Fraction.Zero && c.Offset < frame.Length && !IsHeld(frame.Start + c.Offset));
    }

    private static List<GridClick> Between(MeasureFrame frame, IReadOnlyList<GridClick> halves) =>
        [
            .. halves
                .Where(c => c.Rank == ClickRank.Subdivision && c.Offset < ClickGrid.FullLength(frame))
                .Select(c => c with { Rank = ClickRank.Beat }),
        ];

    private bool IsHeld(Fraction moment) => holds.Any(h => h.From < moment && moment < h.To);
}
