using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>Notes that begin off the beat and sound through the next one.</summary>
/// <remarks>Also a note on a weak beat of 4/4 that sounds through the half measure. Common practice, no published source.</remarks>
[Example("| C5e D5q E5q F5q G5e", 1)]
[Example("| C5q D5h E5q", 1)]
[Example("| C5q D5q E5q. F5e", 0)]
public sealed class Syncopation : IStudyRule
{
    private const int Many = 3;

    /// <inheritdoc/>
    public string Name => "syncopation";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Rhythm;

    /// <inheritdoc/>
    public WritesIn WritesIn => WritesIn.CountingLine;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part) =>
        from stretch in Stretches.Of(context.MelodyOf(part).Struck.Where(n => Is(context, n)))
        select Finding.At(
            Name,
            part,
            stretch,
            stretch.Count >= Many && stretch[^1].MeasureIndex > stretch[0].MeasureIndex ? Severity.Tell : Severity.Note,
            "Syncopation",
            $"{(stretch.Count == 1 ? "A note begins" : $"{stretch.Count} notes begin")} between the beats and "
                + $"{(stretch.Count == 1 ? "sounds" : "sound")} through the next one: keep the beat in the body."
        );

    private static bool Is(StudyContext context, Note n)
    {
        var meter = context.Score.Measures[n.MeasureIndex].Meter;
        if (meter.IsSenza)
            return false;
        var at = context.BeatsIn(n);
        var length = n.SoundingDuration / meter.BeatUnit;
        var nextBeat = new Fraction((at.Numerator / at.Denominator) + 1);
        if (at.Denominator != 1)
            return at + length > nextBeat && length > nextBeat - at;
        return meter.Groups.Count == 1
            && meter.Groups[0] is { Beats: 4, BeatType: 4 }
            && at == 1
            && length >= 2
            && n.Dots == 0
            && n.Heads.All(h => h.TiedTo is null);
    }
}
