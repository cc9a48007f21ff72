using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A dotted or tied length of more than two beats, told in beats.</summary>
/// <remarks>A dot adds half: a dotted half is 3 quarters, a dotted whole 6; a tie adds the lengths. Common practice, no published
/// source.</remarks>
[Example("| C5h. D5q", 1, "[check] dotted half = 3 beats, dotted whole = 6.")]
[Example("| C5q. D5e E5h", 0, "one and a half beats")]
[Example("| C5h D5h~ | D5q E5h.", 2, "a tie of three beats and a dot of three: two kinds")]
public sealed class LongLength : IStudyRule
{
    /// <inheritdoc/>
    public string Name => "long-length";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Counting;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part) =>
        from note in context.MelodyOf(part).Struck
        let unit = context.Score.Measures[note.MeasureIndex].Meter.BeatUnit
        let beats = note.SoundingDuration / unit
        let tied = note.Heads.Any(h => h.TiedTo is not null)
        where beats > 2 && (note.Dots > 0 || tied)
        group note by (Beats: beats, Tied: tied, note.Dots, note.Type) into same
        select Finding.At(
            Name,
            part,
            [.. same],
            Severity.Note,
            $"Held {Lengths.Mixed(same.Key.Beats)} beats",
            same.Key.Tied
                ? $"The tie adds the lengths: {Lengths.Mixed(same.Key.Beats)} beats in all, struck once."
                : $"The dot adds half: this note lasts {Lengths.Mixed(same.Key.Beats)} beats."
        );
}
