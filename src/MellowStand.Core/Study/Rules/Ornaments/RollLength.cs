using MellowStand.Core.Notation;
using MellowStand.Core.Ornaments;

namespace MellowStand.Core.Study.Rules;

/// <summary>A roll: how long it is, and how it ends.</summary>
/// <remarks>A trill sign on a drum or timpani. Tied to the next note it ends on that; else it stops before it. Common practice, no
/// published source.</remarks>
[Example("part \"Snare Drum\" clef:percussion\n| %C5h(tr) %C5h", 1)]
[Example("part \"Snare Drum\" clef:percussion\n| %C5h %C5h", 0)]
[Example("| C5h(tr) D5h", 0, "a trill")]
public sealed class RollLength : IStudyRule
{
    /// <inheritdoc/>
    public string Name => "roll";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Ornaments;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part) =>
        from note in part.Notes
        where note.Sounds && !note.IsTieContinuation && !note.IsCue && note.Has("trill-mark") && Rolls.Is(part, note)
        let beats = note.SoundingDuration / context.Score.Measures[note.MeasureIndex].Meter.BeatUnit
        let ties = note.Heads.Any(h => h.TiedTo is not null)
        select Finding.At(
            Name,
            part,
            [note],
            Severity.Tell,
            $"Roll of {Lengths.Mixed(beats)} beat{(beats == 1 ? "" : "s")}",
            ties
                ? "Begin it on the beat and end it on the note that it is tied to, without a new stroke."
                : "Begin it on the beat, roll its whole length, and let the next note be a stroke of its own."
        );
}
