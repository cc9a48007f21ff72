using MellowStand.Core.Notation;

namespace MellowStand.Core.Performance;

/// <summary>What is counted off before a range begins.</summary>
/// <remarks>A full measure, or what a pickup, or a range that begins inside a measure, leaves of one: a one-beat pickup in 4/4 leaves three
/// beats. Two measures where the music is quick (a measure under a second, or beats above 160 a minute in measures under two seconds), and
/// where less than two clicks would be left: one click tells no tempo. Four beats where there is no meter. Common practice, no published
/// source; the bounds of quick are ours.</remarks>
/// <param name="Length">Quarters from the first click to the first measure of the range.</param>
/// <param name="Clicks">The clicks, counted from the first measure of the range: all before 0.</param>
public sealed record CountOffPlan(Fraction Length, IReadOnlyList<GridClick> Clicks)
{
    private const double ShortestMeasure = 1;
    private const double QuickMeasure = 2;
    private const double QuickBeats = 160;
    private const int FewestClicks = 2;
    private const int FreeBeats = 4;

    /// <summary>Counts off a range.</summary>
    /// <param name="score">The score.</param>
    /// <param name="first">The first measure of the range.</param>
    /// <param name="unit">The unit that is clicked, in quarters.</param>
    /// <param name="quarterBpm">Quarters per minute at the start.</param>
    /// <param name="subdivision">Clicks a beat.</param>
    public static CountOffPlan Of(Score score, MeasureFrame first, Fraction unit, double quarterBpm, int subdivision)
    {
        if (first.Meter.IsSenza)
            return Free(unit);
        var full = ClickGrid.FullLength(first);
        var grid = ClickGrid.Of(score, first, unit, subdivision);
        var missing = ClickGrid.Missing(first);
        var length = missing > Fraction.Zero ? missing : full;
        if (IsQuick(score, first, full, quarterBpm) || grid.Count(c => c.Offset < length && c.Rank != ClickRank.Subdivision) < FewestClicks)
            length += full;
        var clicks = new List<GridClick>();
        // Whole measures before the bar line that the range's own measure would have.
        for (var bar = -length; bar < Fraction.Zero; bar += full)
            clicks.AddRange(
                grid.Select(c => c with { Offset = bar + c.Offset }).Where(c => c.Offset >= -length && c.Offset < Fraction.Zero)
            );
        return new CountOffPlan(length, clicks);
    }

    private static bool IsQuick(Score score, MeasureFrame first, Fraction full, double quarterBpm)
    {
        var measure = full.Value * 60 / quarterBpm;
        var beats = MeterGroups.LengthsOf(score, first)?.Count ?? (full / first.Meter.BeatUnit).Value;
        return measure < ShortestMeasure || (measure < QuickMeasure && beats * 60 / measure > QuickBeats);
    }

    private static CountOffPlan Free(Fraction unit) =>
        new(
            unit * FreeBeats,
            [.. Enumerable.Range(0, FreeBeats).Select(i => new GridClick(unit * (i - FreeBeats), ClickRank.Beat, i + 1))]
        );
}
